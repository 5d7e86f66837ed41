"""Doublings that were seen: whether a culture rises as it should, feed after feed."""

from dataclasses import dataclass
from itertools import pairwise

from gentle_crust.core.culture.culture import Culture
from gentle_crust.core.culture.life import Course, heights_of
from gentle_crust.core.fermentation.readings import Reading

DOUBLED = 0.9
"""A rise that counts as doubled: the mark on the glass is as thick as a pen (practice)."""
IN_TIME_H = 10.0
"""A culture that doubles within this after a plain feed is reliable (practice; 4 to 12 h by warmth)."""


@dataclass(frozen=True)
class Risen:
    """The highest rise that was read after one feed, and hours to it; None if nothing was read."""

    fed_h: float
    rise: float | None
    hours: float | None

    @property
    def doubled(self) -> bool:
        """Whether it came to twice its height in good time."""
        return self.rise is not None and self.hours is not None and self.rise >= DOUBLED and self.hours <= IN_TIME_H


def risen(culture: Culture, courses: tuple[Course, ...]) -> tuple[Risen, ...]:
    """What was read of each feed, the oldest first."""
    found = []
    for course in courses:
        read = heights_of(culture, course)
        best: Reading | None = max(read, key=lambda each: each.value, default=None)
        found.append(Risen(course.fed.at_h, best.value if best else None, best.at_h if best else None))
    return tuple(found)


def in_a_row(read: tuple[Risen, ...]) -> int:
    """Doublings in a row up to the last feed that was read; feeds that nobody looked at do not count."""
    count = 0
    for each in reversed([one for one in read if one.rise is not None]):
        if not each.doubled:
            break
        count += 1
    return count


def established(read: tuple[Risen, ...]) -> bool:
    """Whether it ever doubled reliably twice in a row."""
    looked = [each for each in read if each.rise is not None]
    return any(one.doubled and other.doubled for one, other in pairwise(looked))
