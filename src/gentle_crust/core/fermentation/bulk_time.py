"""How long bulk takes if the kitchen is as warm as the dough: for comparing formulas, not for planning a day."""

from dataclasses import dataclass

import numpy as np

from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.dough import makeup_of
from gentle_crust.core.fermentation.engine import Leg, begin, run
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.targets import bulk_rise
from gentle_crust.core.fermentation.uncertainty import activities, of_leaven, span
from gentle_crust.core.formula.model import Formula

LOOKED_AT_H = 30.0
PIECE_G = 1000.0


@dataclass(frozen=True)
class BulkTime:
    """Hours that bulk takes at the dough's own temperature to the rise that its leaven wants; None if over a day."""

    rise: float
    low_h: float | None
    likely_h: float | None
    high_h: float | None


def bulk_time(formula: Formula, activity: Floats | None = None) -> BulkTime:
    """Bulk at the formula's own dough temperature; a poolish's or biga's own growth is left out.

    Parameters
    ----------
    formula : the formula, percents over all flour
    activity : factors on the leaven's pace, 1 the likely one; one column each

    Returns
    -------
    Hours until bulk's usual rise, low to high; none where it is not reached in a day.
    """
    made = makeup_of(formula)
    holds = greatest_rise(made, "bulk")
    rise = min(float(bulk_rise(formula.leaven, np.array([formula.dough_c]))[0]), 0.5 * holds)
    leg = Leg(LOOKED_AT_H, np.full(120, formula.dough_c), "covered_bowl", PIECE_G, holds)
    factors = activities(of_leaven(made)) if activity is None else activity
    hours = span(run(made, begin(made, formula.dough_c, len(factors)), leg, factors).hours_to(rise))
    return BulkTime(rise, hours.low, hours.likely, hours.high)
