"""A culture begun from flour and water, day by day: what to do, what it means, and what not to believe yet."""

from dataclasses import dataclass
from typing import Literal

from gentle_crust.core.cautions import Caution, caution
from gentle_crust.core.culture.culture import Culture
from gentle_crust.core.culture.doublings import Risen, established, in_a_row, risen
from gentle_crust.core.culture.life import Course
from gentle_crust.core.culture.verdict import spoilt
from gentle_crust.core.scheduling.clock import Clock

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
    usual: str
    read: str


@dataclass(frozen=True)
class Guide:
    """Where a new culture stands: its day, stage, what that means, what to do next and in how many hours."""

    day: int
    stage: Stage
    means: str
    do: str
    next_h: float
    doublings: int
    days: tuple[Day, ...]
    cautions: tuple[Caution, ...]


USUAL = (
    "Whole grain flour and water, equal parts, kept warm. Nothing to see.",
    "A few bubbles at most. Stir, cover, wait.",
    "Often a fast, ill-smelling rise: bacteria that sourness will kill, not yeast yet. Feed it daily from now on.",
    "It goes quiet. Most give up here; go on feeding.",
    "Quiet, a sharper smell. Go on.",
    "First small, even bubbles; it rises a little and smells sour, not foul.",
    "It rises by half. Feed twice a day from now on, each time at its height.",
    "It may double. Twice in a row, within ten hours of a feed, and it is a culture.",
)
AFTER = "Feed twice a day; a cold kitchen takes two weeks."


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


def _means(stage: Stage, day: int, cold: bool) -> str:
    usual = f"Usual is {USUAL_DAYS[0]} to {USUAL_DAYS[1]} days, whatever the first bubbles promise."
    slow = " Your kitchen is cool, so count on the longer end." if cold else ""
    if stage == "spoilt":
        return "Coloured or fuzzy growth is mould or worse."
    if stage == "waiting":
        return f"Nothing is to be seen yet, and nothing need be. {usual}{slow}"
    if stage == "early_burst":
        return f"It rises, but this is not yeast: other bacteria come first, and die as it sours. {usual}"
    if stage == "quiet":
        late = " It is late: warmer, and a spoon of rye, are what helps." if day > USUAL_DAYS[1] else ""
        return f"The quiet days are part of it: it is turning sour, and yeast comes after. {usual}{slow}{late}"
    if stage == "waking":
        return "It rises by itself now: yeast is there. It is no levain until it doubles twice in a row."
    return "It doubled once. Once more in a row, and you have a culture."


def _do(stage: Stage, cold: bool) -> str:
    warm = " Keep it at {26|c} to {28|c}: in the oven with only the lamp on, or beside warm water." if cold else ""
    if stage == "spoilt":
        return "Throw all of it away, clean the jar with hot water, and begin again."
    if stage == "waiting":
        return f"Stir once or twice a day, lid loose. From the third day on feed it daily.{warm}"
    feed = f"Keep {{{FLOUR_G:.0f}|g}}, feed {{{FLOUR_G:.0f}|g}} flour and {{{FLOUR_G:.0f}|g}} water"
    if stage in ("early_burst", "quiet"):
        return f"{feed} once a day, part of it whole rye. Do not skip a day because it sleeps.{warm}"
    return f"{feed} twice a day, each time at its height, and mark the level: the mark tells when it doubles.{warm}"


def _next(stage: Stage, courses: tuple[Course, ...], now_h: float) -> float:
    """Hours from the clock's origin until the next feed or look."""
    last, first = courses[-1].fed.at_h, courses[0].fed.at_h
    if stage == "waiting":
        return max(first + 48.0, now_h)
    return max(last + (12.0 if stage in ("waking", "nearly") else 24.0), now_h)


def _days(courses: tuple[Course, ...], read: tuple[Risen, ...], begun: float, today: int) -> tuple[Day, ...]:
    found = []
    for number in range(1, max(today, len(USUAL)) + 1):
        of_day = [each for each in read if int((each.fed_h - begun) // 24) + 1 == number and each.rise is not None]
        best = max(of_day, key=lambda each: each.rise or 0, default=None)
        said = "" if best is None else f"+{100 * (best.rise or 0):.0f} % in {best.hours or 0:.0f} h"
        found.append(Day(number, USUAL[number - 1] if number <= len(USUAL) else AFTER, said))
    return tuple(found)
