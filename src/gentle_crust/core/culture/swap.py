"""The same bread with another leaven: culture instead of yeast, and back, overall flour and water kept."""

from dataclasses import dataclass, replace
from typing import Literal

from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.bulk_time import LOOKED_AT_H, BulkTime, bulk_time
from gentle_crust.core.fermentation.uncertainty import ONE
from gentle_crust.core.formula.model import Formula, Preferment, check, final_flour_percent, with_yeast_kind

USUAL_LEVAIN_PERCENT = 10.0
"""Prefermented flour of a plain levain dough (practice)."""
YEASTED_BULK_H = 3.0
"""Yeast is dosed so that the dough doubles in this time at its own temperature (practice)."""


@dataclass(frozen=True)
class Swapped:
    """The formula with the other leaven, and what that does to bulk."""

    formula: Formula
    before: BulkTime
    after: BulkTime


def swap(formula: Formula, leaven: Literal["levain", "yeast"]) -> Swapped:
    """``formula`` raised by ``leaven`` instead. Raises CraftError if it already is, or has no flour to build from."""
    check(formula)
    if formula.leaven == leaven:
        raise CraftError("leaven", "culture-leaven-the-same", leaven=leaven)
    other = _with_levain(formula) if leaven == "levain" else _with_yeast(formula)
    check(other)
    return Swapped(other, bulk_time(formula), bulk_time(other))


def _with_levain(formula: Formula) -> Formula:
    """A levain of the formula's commonest flour, no yeast; a poolish or biga makes way for it."""
    main = max(formula.flours, key=lambda share: final_flour_percent(formula, share.key))
    share = min(USUAL_LEVAIN_PERCENT, main.percent)
    levain = Preferment("levain", main.key, share, 100)
    return replace(formula, preferments=(levain,), yeast_percent=0.0)


def _with_yeast(formula: Formula) -> Formula:
    """No levain, and as much yeast as doubles the dough in YEASTED_BULK_H at its own temperature."""
    from scipy.optimize import brentq  # it takes half a second to load

    yeasted = tuple(one for one in formula.preferments if not one.wild)
    plain = replace(formula, preferments=yeasted, yeast_kind="instant", yeast_percent=1)

    def late(percent: float) -> float:
        hours = bulk_time(replace(plain, yeast_percent=percent), ONE).likely_h
        return (LOOKED_AT_H if hours is None else hours) - YEASTED_BULK_H

    least, most = 0.02, 3.0
    percent = most if late(most) > 0 else least if late(least) < 0 else float(brentq(late, least, most, xtol=0.005))
    dosed = replace(plain, yeast_percent=round(percent, 2))
    return with_yeast_kind(dosed, formula.yeast_kind)
