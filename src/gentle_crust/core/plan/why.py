"""Why a forecast says what it says: its drivers, by how much each moves the time of bulk."""

from dataclasses import dataclass, replace

import numpy as np

from gentle_crust.core.course.solved import Solved
from gentle_crust.core.fermentation.dough import Makeup
from gentle_crust.core.fermentation.engine import Leg, begin, run
from gentle_crust.core.fermentation.uncertainty import ONE
from gentle_crust.core.messages import Message, joined, message
from gentle_crust.core.plan.milestones import milestones, rise_at_end

PLAIN_C = 24.0
PLAIN_LEVAIN = 1 / 11
"""A levain of 20 g to 100 g of flour added: a plain dose (practice)."""
PLAIN_YEAST = 1.0
LONGEST_H = 60.0
LEAST_RISE = 0.2
"""A dough that hardly rises before it is divided is compared at this rise (practice)."""


@dataclass(frozen=True)
class Driver:
    """One driver: ``factor`` is what it does to the time of bulk (1.2: a fifth longer than with a plain one)."""

    name: Message
    factor: float
    sentence: Message


@dataclass(frozen=True)
class Why:
    """The drivers, the weightiest first; a plain dough's bulk in hours, and this one's."""

    plain_h: float
    likely_h: float
    drivers: tuple[Driver, ...]


def why(solved: Solved) -> Why:
    """The drivers of a plan's bulk, each taken alone against a plain white dough at 24 C."""
    times, batch = milestones(solved), solved.parts[0].path.batch
    actual, bulk = batch.makeup, times.bulk
    rise = max(rise_at_end(bulk), LEAST_RISE)
    likely_h = times.bulk_end - times.mix
    mean_c = solved.asked.dough_c
    if bulk is not None and bulk.trace is not None:
        even = np.linspace(0, bulk.hours, 50)
        mean_c = float(np.interp(even, bulk.trace.hours, bulk.trace.dough_c).mean())
    levain = actual.levain_yeast > 0
    plain = replace(
        actual,
        levain_yeast=PLAIN_LEVAIN if levain else 0.0,
        yeast_percent=0.0 if levain else PLAIN_YEAST,
        salt_percent=2.0,
        sugar_percent=0.0,
        fat_percent=0.0,
        malt_percent=0.0,
        whole_grain=0.0,
        rye=0.0,
        gas_made_ml=0.0,
    )

    def hours(makeup: Makeup, c: float) -> float:
        leg = Leg(LONGEST_H, np.full(240, c), "covered_bowl", batch.weighed.dough_g, 50.0)
        found = run(makeup, begin(makeup, c), leg, ONE).hours_to(rise)[0]
        return LONGEST_H if np.isnan(found) else float(found)

    plain_h = hours(plain, PLAIN_C)

    def alone(**changes: float) -> float:
        return hours(replace(plain, **changes), PLAIN_C) / plain_h  # type: ignore[arg-type]

    leaven = alone(levain_yeast=actual.levain_yeast, yeast_percent=actual.yeast_percent)
    grain = alone(whole_grain=actual.whole_grain, rye=actual.rye)
    rich = alone(sugar_percent=actual.sugar_percent, fat_percent=actual.fat_percent, malt_percent=actual.malt_percent)
    salted = message("shown-why-salted", percent=round(actual.salt_percent, 1))
    drivers = [
        Driver(message("shown-why-warmth"), hours(plain, mean_c) / plain_h, _warm(mean_c)),
        Driver(message("shown-why-leaven"), leaven, _leaven(actual)),
        Driver(message("shown-why-salt"), alone(salt_percent=actual.salt_percent), salted),
        Driver(message("shown-why-flour"), grain, _grain(actual)),
        Driver(message("shown-why-rich"), rich, message("shown-why-richness")),
    ]
    by_weight = sorted(drivers, key=lambda each: -abs(np.log(each.factor)))
    return Why(plain_h, likely_h, tuple(each for each in by_weight if abs(each.factor - 1) > 0.004))


def _warm(mean_c: float) -> Message:
    return message("shown-why-colder" if mean_c < PLAIN_C else "shown-why-warmer", mean=round(mean_c, 1))


def _leaven(makeup: Makeup) -> Message:
    parts = []
    if makeup.levain_yeast > 0:
        parts.append(message("shown-why-levain-part", percent=round(100 * makeup.levain_yeast)))
    if makeup.yeast_percent > 1e-6:
        parts.append(message("shown-why-yeast-part", percent=float(f"{makeup.yeast_percent:.2g}")))
    return joined(*parts) or message("shown-why-no-leaven")


def _grain(makeup: Makeup) -> Message:
    return message("shown-why-grain", whole=round(100 * makeup.whole_grain), rye=round(100 * makeup.rye))
