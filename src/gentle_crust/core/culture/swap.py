"""The same bread with another leaven: culture instead of yeast, and back, overall flour and water kept."""

from dataclasses import dataclass, replace
from typing import Literal

import numpy as np
from scipy.optimize import brentq

from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.dough import makeup
from gentle_crust.core.fermentation.engine import Leg, begin, first_crossing, run
from gentle_crust.core.fermentation.targets import bulk_rise
from gentle_crust.core.fermentation.uncertainty import activities, span
from gentle_crust.core.formula.model import Formula, Preferment, check
from gentle_crust.core.formula.scaling import weigh
from gentle_crust.core.scheduling.course import final_dough

USUAL_LEVAIN_PERCENT = 10.0
"""Prefermented flour of a plain levain dough (practice)."""
YEASTED_BULK_H = 3.0
"""Yeast is dosed so that the dough doubles in this time at its own temperature (practice)."""
LOOKED_AT_H = 30.0


@dataclass(frozen=True)
class BulkTime:
    """Hours that bulk takes at the dough's own temperature to the rise that this leaven wants; None if over a day."""

    rise: float
    low_h: float | None
    likely_h: float | None
    high_h: float | None


@dataclass(frozen=True)
class Swapped:
    """The formula with the other leaven, and what that does to bulk."""

    formula: Formula
    before: BulkTime
    after: BulkTime


def bulk_time(formula: Formula) -> BulkTime:
    """How long bulk takes if the kitchen is as warm as the dough; a yeasted preferment's own growth is left out."""
    hydration = formula.preferment.hydration_percent if formula.preferment else None
    made = makeup(final_dough(weigh(formula, formula.pieces, formula.scaling_weight_g), hydration))
    if formula.leaven == "yeast":
        made = replace(made, levain_yeast=0.0)
    holds = greatest_rise(made, "bulk")
    rise = min(float(bulk_rise(formula.leaven, np.array([formula.dough_c]))[0]), 0.5 * holds)
    leg = Leg(LOOKED_AT_H, np.full(120, formula.dough_c), "covered_bowl", made.dough_g, holds)
    factors = activities()
    hours = span(run(made, begin(made, formula.dough_c, len(factors)), leg, factors).hours_to(rise))
    return BulkTime(rise, hours.low, hours.likely, hours.high)


def swap(formula: Formula, leaven: Literal["levain", "yeast"]) -> Swapped:
    """``formula`` raised by ``leaven`` instead. Raises CraftError if it already is, or has no flour to build from."""
    check(formula)
    if formula.leaven == leaven:
        raise CraftError("leaven", f"This dough is already raised by {leaven}.", "Choose the other leaven.")
    other = _with_levain(formula) if leaven == "levain" else _with_yeast(formula)
    check(other)
    return Swapped(other, bulk_time(formula), bulk_time(other))


def _with_levain(formula: Formula) -> Formula:
    """A levain of the formula's commonest flour, no yeast; a poolish or biga makes way for it."""
    main = max(formula.flours, key=lambda share: share.percent)
    share = min(USUAL_LEVAIN_PERCENT, main.percent)
    levain = Preferment("levain", main.kind, share, 100)
    return replace(formula, preferment=levain, instant_yeast_percent=0.0, name=f"{formula.name}, with levain"[:80])


def _with_yeast(formula: Formula) -> Formula:
    """No levain, and as much instant yeast as doubles the dough in YEASTED_BULK_H at its own temperature."""
    plain = replace(formula, preferment=None, name=f"{formula.name}, with yeast"[:80])

    def late(percent: float) -> float:
        dosed = replace(plain, instant_yeast_percent=percent)
        made = makeup(final_dough(weigh(dosed, 1, 1000), None))
        leg = Leg(LOOKED_AT_H, np.full(120, formula.dough_c), "covered_bowl", made.dough_g, greatest_rise(made, "bulk"))
        trace = run(made, begin(made, formula.dough_c), leg, np.ones(1))
        hours = first_crossing(trace.hours, trace.rise[:, 0], min(1.0, 0.5 * leg.greatest_rise))
        return (LOOKED_AT_H if np.isnan(hours) else hours) - YEASTED_BULK_H

    least, most = 0.02, 3.0
    percent = most if late(most) > 0 else least if late(least) < 0 else float(brentq(late, least, most, xtol=0.005))
    return replace(plain, instant_yeast_percent=round(percent, 2))
