"""What other doughs take of a kitchen: hands, the oven, room in the fridge; and where a course runs into it."""

from dataclasses import dataclass
from datetime import datetime
from typing import Literal

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.fermentation.rates import Floats

What = Literal["hands", "oven", "fridge"]
EVERY_H = 1 / 12
LEAST_MIN = 4.0
"""Hands wanted in two places for no longer than this are no clash: a fold can slip (practice)."""
LITRES_PER_KG = 2.0
"""Room that a kilogram of dough wants in a fridge, with what it stands in and as far as it rises there (practice)."""


def litres_of(grams: float) -> float:
    """Room that so much dough takes in the fridge, litres."""
    return LITRES_PER_KG * grams / 1000


@dataclass(frozen=True)
class Taken:
    """Something that another dough takes from ``start`` to ``end``: of the fridge, so many ``litres``."""

    what: What
    name: str
    start: datetime
    end: datetime
    litres: float = 0.0


@dataclass(frozen=True)
class Meeting:
    """Where a stretch of a course meets what is taken: with whom, for how many minutes, until when (h)."""

    name: str
    minutes: float
    until: float


def meets(taken: tuple[Taken, ...], what: What, clock: Clock, start: float, end: float) -> Meeting | None:
    """The longest meeting of start..end (hours from the clock's origin) with what is taken; None if there is none."""
    found = None
    for each in taken:
        if each.what != what:
            continue
        its_start, its_end = clock.hours(each.start), clock.hours(each.end)
        minutes = 60 * (min(end, its_end) - max(start, its_start))
        if minutes > (LEAST_MIN if what == "hands" else 0.01) and (found is None or minutes > found.minutes):
            found = Meeting(each.name, minutes, its_end)
    return found


def most_litres(taken: tuple[Taken, ...], clock: Clock, start: float, end: float) -> float:
    """Litres of the fridge that are taken at once at the most from ``start`` to ``end``."""
    cold = [
        (clock.hours(each.start), clock.hours(each.end), each.litres)
        for each in taken
        if each.what == "fridge" and clock.hours(each.start) < end and clock.hours(each.end) > start
    ]
    moments = [max(begins, start) for begins, _, _ in cold]
    return max((sum(litres for a, b, litres in cold if a <= at < b) for at in moments), default=0.0)


def minutes_taken(
    taken: tuple[Taken, ...], what: What, clock: Clock, from_h: float, to_h: float
) -> tuple[Floats, Floats]:
    """Minutes so far at which something is taken, every five minutes of a span of hours."""
    hours = np.arange(from_h, to_h, EVERY_H)
    busy = np.zeros(len(hours))
    for each in taken:
        if each.what == what:
            busy[(hours >= clock.hours(each.start)) & (hours < clock.hours(each.end))] = 60 * EVERY_H
    return hours, np.concatenate([[0.0], np.cumsum(busy)[:-1]])
