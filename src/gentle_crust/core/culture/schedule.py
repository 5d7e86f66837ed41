"""Standing feeds, by the kitchen's own clock: a feed at eight stays at eight when the clocks change."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta
from itertools import pairwise
from typing import Literal
from zoneinfo import ZoneInfo

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, within

FORGIVEN = timedelta(hours=6)
"""A feed at most this much early is the one that was due, where feeds are a day apart; three days for weekly ones."""
PART_FORGIVEN = 3 / 7
"""Of the time between two feeds: a feed earlier than this is one more (practice)."""
DAY = timedelta(days=1)


@dataclass(frozen=True)
class FeedTime:
    """An hour of the day (0-24, by the kitchen's clock), on one weekday (0 is Monday) or on every day of feeding."""

    hour: float
    weekday: int | None = None


@dataclass(frozen=True)
class Schedule:
    """Feeds at ``times``: on days of the week, or on every so many days.

    ``then`` is where it goes once it is fed and has begun to rise.
    """

    every_days: int
    times: tuple[FeedTime, ...]
    then: Literal["counter", "fridge"] = "counter"

    @property
    def by_weekday(self) -> bool:
        """Whether it is fed on days of the week."""
        return self.times[0].weekday is not None

    @property
    def feeds_a_week(self) -> float:
        """How often it is fed, on the average."""
        return len(self.times) * 7 / self.every_days


def check_schedule(schedule: Schedule) -> None:
    """Raise CraftError for a schedule that cannot be kept."""
    within("schedule.times", limits.FEEDS_A_WEEK, len(schedule.times))
    within("schedule.every_days", limits.EVERY_DAYS, schedule.every_days)
    for place, each in enumerate(schedule.times, 1):
        within(f"schedule.times.{place}.hour", limits.FEED_HOUR, each.hour)
        if each.weekday is not None:
            within(f"schedule.times.{place}.weekday", limits.WEEKDAY, each.weekday)
        if each in schedule.times[: place - 1]:
            raise CraftError(f"schedule.times.{place}", "culture-feed-time-twice")
    days = {each.weekday is None for each in schedule.times}
    if len(days) > 1:
        raise CraftError("schedule.times", "culture-feed-times-of-two-kinds")
    if schedule.by_weekday and schedule.every_days % 7:
        raise CraftError("schedule.every_days", "culture-weekday-needs-weeks")
    if len(schedule.times) > 1 and schedule.every_days != (7 if schedule.by_weekday else 1):
        raise CraftError("schedule.every_days", "culture-several-feeds-need-days")


def _on(day: date, hour: float, zone: ZoneInfo) -> datetime:
    """That hour of a local day; if spring's change of clocks leaves it out, the hour after."""
    minutes = round(hour * 60)
    local = datetime(day.year, day.month, day.day, minutes // 60, minutes % 60, tzinfo=zone)
    return local.astimezone(UTC)


def next_feeds(
    schedule: Schedule, fed: datetime | None, now: datetime, zone: ZoneInfo, until: datetime
) -> tuple[datetime, ...]:
    """Feeds due from the last one (``fed``) until ``until``; the first may be overdue, missed ones are one.

    Instants; a feed a little early counts as the one that was due.
    """
    found = list(_due(schedule, fed or now, fed is not None, zone, until))
    late = [each for each in found if each < now]
    return tuple(found) if len(late) < 2 else (late[-1], *(each for each in found if each >= now))


def _times(schedule: Schedule, first: date, zone: ZoneInfo) -> Iterator[datetime]:
    """Every time that could be one of its feeds, from the day ``first`` on, in order."""
    day = first
    while True:
        hours = sorted(each.hour for each in schedule.times if each.weekday in (None, day.weekday()))
        yield from (_on(day, hour, zone) for hour in hours)
        day += DAY


def _due(schedule: Schedule, after: datetime, fed: bool, zone: ZoneInfo, until: datetime) -> Iterator[datetime]:
    """Feeds that come after the one that ``after`` covers; without a feed, from ``after`` on."""
    today = after.astimezone(zone).date()
    if len(schedule.times) > 1:
        covered = _covered(schedule, after, today, zone) if fed else after - timedelta(minutes=1)
        for due in _times(schedule, today - DAY, zone):
            if due > until:
                return
            if due > covered:
                yield due
    apart, hour = schedule.every_days * DAY, schedule.times[0].hour
    if fed:
        day = _covered(schedule, after, today, zone).astimezone(zone).date() + apart
    else:
        day = next(due for due in _times(schedule, today, zone) if due >= after).astimezone(zone).date()
    while (due := _on(day, hour, zone)) <= until:
        yield due
        day += apart


def _covered(schedule: Schedule, fed: datetime, today: date, zone: ZoneInfo) -> datetime:
    """The feed that was due and that a feed at ``fed`` is: the last before it, or one that it came a little before."""
    covered = None
    for before, due in pairwise(_times(schedule, today - 8 * DAY, zone)):
        if due - fed > _forgiven(due - before):
            return before if covered is None else covered
        covered = due
    raise AssertionError("times go on for ever")


def _forgiven(apart: timedelta) -> timedelta:
    return min(FORGIVEN, PART_FORGIVEN * apart) if apart <= DAY + timedelta(hours=1) else PART_FORGIVEN * apart
