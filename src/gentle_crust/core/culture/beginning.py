"""A culture begun from flour and water, day by day: what to do, what it means, and what not to believe yet."""

from dataclasses import dataclass
from typing import Literal

from gentle_crust.core.cautions import Caution, caution
from gentle_crust.core.clock import Clock
from gentle_crust.core.culture.culture import Culture
from gentle_crust.core.culture.doublings import Risen, established, in_a_row, risen
from gentle_crust.core.culture.life import Course
from gentle_crust.core.culture.verdict import spoilt
from gentle_crust.core.messages import NOTHING, Message, joined, message

Stage = Literal["waiting", "early_burst", "quiet", "waking", "nearly", "ready", "spoilt"]
BURST_BEFORE_H = 72.0
"""A rise before this is bacteria, not yeast (practice)."""
RISES = 0.25
USUAL_DAYS, LONG_DAYS = (7, 14), 16
COLD_C = 21.0
FLOUR_G = 50.0


@dataclass(frozen=True)
class Day:
    """One line of the guide: the day's number, what is usual on it, and what was read, if anything was."""

    number: int
    usual: Message
    read: Message


@dataclass(frozen=True)
class Guide:
    """Where a new culture stands: its day, stage, what that means, what to do next and in how many hours."""

    day: int
    stage: Stage
    means: Message
    do: Message
    next_h: float
    doublings: int
    days: tuple[Day, ...]
    cautions: tuple[Caution, ...]


USUAL = 8
"""Days of which the guide says what is usual."""


def guide(culture: Culture, courses: tuple[Course, ...], clock: Clock, now_h: float = 0.0) -> Guide | None:
    """The guide for a culture that was begun and has not yet doubled twice in a row; None for any other."""
    if not courses or courses[0].fed.kind != "begun":
        return None
    read = risen(culture, courses)
    if established(read):
        return None
    begun = courses[0].fed.at_h
    day = int((now_h - begun) // 24) + 1
    stage = _stage(courses, read, now_h - begun)
    cold = clock.room_at(now_h) < COLD_C
    return Guide(
        day=day,
        stage=stage,
        means=_means(stage, day, cold),
        do=_do(stage, cold),
        next_h=_next(stage, courses, now_h),
        doublings=in_a_row(read),
        days=_days(courses, read, begun, day),
        cautions=(caution("mould"), caution("jar"), caution("raw_dough")),
    )


def _stage(courses: tuple[Course, ...], read: tuple[Risen, ...], age_h: float) -> Stage:
    looks = tuple(look for course in courses for look in course.looks)
    if spoilt(tuple(look for look in looks if look.smell != "rotten")):
        return "spoilt"
    highest = [(each.fed_h - courses[0].fed.at_h, each.rise) for each in read if each.rise is not None]
    rises = [(at, rise) for at, rise in highest if rise >= RISES]
    if in_a_row(read) == 1 and rises and rises[-1][0] >= BURST_BEFORE_H:
        return "nearly"
    if any(at >= BURST_BEFORE_H for at, _ in rises):
        return "waking"
    if age_h < 48 and not rises:
        return "waiting"
    if age_h < BURST_BEFORE_H:
        return "early_burst" if rises else "waiting"
    return "quiet"


def _means(stage: Stage, day: int, cold: bool) -> Message:
    found = [message(f"guide-{stage}")]
    if stage in ("waiting", "early_burst", "quiet"):
        found.append(message("guide-usual", low=USUAL_DAYS[0], high=USUAL_DAYS[1]))
    if cold and stage in ("waiting", "quiet"):
        found.append(message("guide-cool-kitchen"))
    if stage == "quiet" and day > USUAL_DAYS[1]:
        found.append(message("guide-late"))
    return joined(*found)


def _do(stage: Stage, cold: bool) -> Message:
    if stage == "spoilt":
        return message("guide-do-spoilt")
    warm = message("guide-do-warm") if cold else NOTHING
    if stage == "waiting":
        return joined(message("guide-do-waiting"), warm)
    often = "guide-do-once" if stage in ("early_burst", "quiet") else "guide-do-twice"
    return joined(message(often, flour=FLOUR_G), warm)


def _next(stage: Stage, courses: tuple[Course, ...], now_h: float) -> float:
    """Hours from the clock's origin until the next feed or look."""
    last, first = courses[-1].fed.at_h, courses[0].fed.at_h
    if stage == "waiting":
        return max(first + 48.0, now_h)
    return max(last + (12.0 if stage in ("waking", "nearly") else 24.0), now_h)


def _days(courses: tuple[Course, ...], read: tuple[Risen, ...], begun: float, today: int) -> tuple[Day, ...]:
    found = []
    for number in range(1, max(today, USUAL) + 1):
        of_day = [each for each in read if int((each.fed_h - begun) // 24) + 1 == number and each.rise is not None]
        best = max(of_day, key=lambda each: each.rise or 0, default=None)
        said = NOTHING
        if best is not None:
            percent, hours = round(100 * (best.rise or 0)), round(best.hours or 0)
            said = message("guide-read", percent=percent, hours=hours)
        found.append(Day(number, message(f"guide-day-{number}" if number <= USUAL else "guide-day-later"), said))
    return tuple(found)
