"""Why a forecast says what it says: its drivers, by how much each moves the time of bulk."""

from dataclasses import dataclass, replace
from datetime import datetime

import numpy as np

from gentle_crust.core.fermentation.dough import Makeup
from gentle_crust.core.fermentation.engine import Leg, begin, run
from gentle_crust.core.fermentation.uncertainty import ONE
from gentle_crust.core.scheduling.plan import plan_course
from gentle_crust.core.scheduling.wish import Kitchen, Wish

PLAIN_C = 24.0
PLAIN_LEVAIN = 1 / 11
"""A levain of 20 g to 100 g of flour added: a plain dose (practice)."""
PLAIN_YEAST = 1.0
LONGEST_H = 60.0


@dataclass(frozen=True)
class Driver:
    """One driver: ``factor`` is what it does to the time of bulk (1.2: a fifth longer than with a plain one)."""

    name: str
    factor: float
    sentence: str


@dataclass(frozen=True)
class Why:
    """The drivers, the weightiest first; a plain dough's bulk in hours, and this one's."""

    plain_h: float
    likely_h: float
    drivers: tuple[Driver, ...]


def why(wish: Wish, kitchen: Kitchen, now: datetime) -> Why:
    """The drivers of a plan's bulk, each taken alone against a plain white dough at 24 C."""
    course, _ = plan_course(wish, kitchen, now)
    made, rise = course.recipe, course.bulk_rise
    actual = made.makeup
    bulk_c = course.bulk.dough_c
    mean_c = float(
        np.interp(np.linspace(0, course.times.bulk_end - course.times.mix, 50), course.bulk.hours, bulk_c).mean()
    )
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
        leg = Leg(LONGEST_H, np.full(240, c), "covered_bowl", made.weighed.dough_g, 50.0)
        found = run(makeup, begin(makeup, c), leg, ONE).hours_to(rise)[0]
        return LONGEST_H if np.isnan(found) else float(found)

    plain_h = hours(plain, PLAIN_C)

    def alone(**changes: float) -> float:
        return hours(replace(plain, **changes), PLAIN_C) / plain_h

    leaven = alone(levain_yeast=actual.levain_yeast, yeast_percent=actual.yeast_percent)
    grain = alone(whole_grain=actual.whole_grain, rye=actual.rye)
    rich = alone(sugar_percent=actual.sugar_percent, fat_percent=actual.fat_percent, malt_percent=actual.malt_percent)
    drivers = [
        Driver("Temperature", hours(plain, mean_c) / plain_h, _warm(mean_c)),
        Driver("Leaven", leaven, _leaven(actual)),
        Driver("Salt", alone(salt_percent=actual.salt_percent), f"{actual.salt_percent:.1f} % salt; 2 % is usual."),
        Driver("Flour", grain, _grain(actual)),
        Driver("Sugar, fat, malt", rich, "Sugar and fat beyond a little slow it; malt hurries it."),
    ]
    by_weight = sorted(drivers, key=lambda each: -abs(np.log(each.factor)))
    likely_h = course.times.bulk_end - course.times.mix
    return Why(plain_h, likely_h, tuple(each for each in by_weight if abs(each.factor - 1) > 0.004))


def _warm(mean_c: float) -> str:
    words = "colder is slower" if mean_c < PLAIN_C else "warmer is faster"
    return f"Bulk at {{{mean_c:.1f}|c}} on the whole: {words}, by about a tenth for each degree."


def _leaven(makeup: Makeup) -> str:
    parts = []
    if makeup.levain_yeast > 0:
        parts.append(f"levain with {100 * makeup.levain_yeast:.0f} % of the flour; 9 % is plain")
    if makeup.yeast_percent > 1e-6:
        parts.append(f"{makeup.yeast_percent:.2g} % yeast as instant, what a preferment brings along counted")
    text = ", and ".join(parts) or "no leaven"
    return f"{text[0].upper()}{text[1:]}."


def _grain(makeup: Makeup) -> str:
    parts = f"{100 * makeup.whole_grain:.0f} % whole grain and {100 * makeup.rye:.0f} % rye"
    return f"{parts}: both feed the yeast, and both hold less gas."
