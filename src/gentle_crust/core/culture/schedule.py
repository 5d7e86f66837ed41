"""Standing feeds, by the kitchen's own clock: a feed at eight stays at eight when the clocks change."""

from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import Literal
from zoneinfo import ZoneInfo

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, within

FORGIVEN = timedelta(hours=6)
"""A feed this much early is the one that was due."""


@dataclass(frozen=True)
class Schedule:
    """A feed every so many days at an hour of the day (0-24); weekly ones on a weekday (0 is Monday).

    ``then`` is where it goes once it is fed and has begun to rise.
    """

    every_days: int
    hour: float
    weekday: int | None = None
    then: Literal["counter", "fridge"] = "counter"


def check_schedule(schedule: Schedule) -> None:
    """Raise CraftError for a schedule that cannot be kept."""
    within("schedule.every_days", limits.EVERY_DAYS, schedule.every_days)
    within("schedule.hour", limits.FEED_HOUR, schedule.hour)
    if schedule.weekday is not None:
        within("schedule.weekday", limits.WEEKDAY, schedule.weekday)
        if schedule.every_days % 7:
            raise CraftError("schedule.every_days", "culture-weekday-needs-weeks")


def _on(day: datetime, hour: float, zone: ZoneInfo) -> datetime:
    """That hour of a local day; if spring's change of clocks leaves it out, the hour after."""
    minutes = round(hour * 60)
    local = day.replace(hour=minutes // 60, minute=minutes % 60, second=0, microsecond=0, tzinfo=zone, fold=0)
    return local.astimezone(UTC)


def next_feeds(
    schedule: Schedule, fed: datetime | None, now: datetime, zone: ZoneInfo, until: datetime
) -> tuple[datetime, ...]:
    """Feeds due from the last one (``fed``) until ``until``; the first may be overdue, missed ones are one.

    Instants; a feed up to six hours early counts as the one that was due.
    """
    first = _first_due(schedule, fed or now, fed is not None, zone)
    found: list[datetime] = []
    due = first
    while due <= until:
        found.append(due)
        due = _on(
            (due.astimezone(zone).replace(tzinfo=None) + timedelta(days=schedule.every_days)), schedule.hour, zone
        )
    late = [each for each in found if each < now]
    return tuple(found) if len(late) < 2 else (late[-1], *(each for each in found if each >= now))


def _first_due(schedule: Schedule, after: datetime, fed: bool, zone: ZoneInfo) -> datetime:
    """The first feed that ``after`` does not already cover: so many days after the one that it covers."""
    counted = after + FORGIVEN if fed else after
    day = counted.astimezone(zone).replace(tzinfo=None)
    if schedule.weekday is None and fed:
        covered = day if _on(day, schedule.hour, zone) <= counted else day - timedelta(days=1)
        return _on(covered + timedelta(days=schedule.every_days), schedule.hour, zone)
    due = _on(day, schedule.hour, zone)
    while due < counted or (schedule.weekday is not None and due.astimezone(zone).weekday() != schedule.weekday):
        day += timedelta(days=1)
        due = _on(day, schedule.hour, zone)
    if fed and schedule.weekday is not None:
        while due - after < timedelta(days=schedule.every_days - 4):
            due = _on(due.astimezone(zone).replace(tzinfo=None) + timedelta(days=7), schedule.hour, zone)
    return due
