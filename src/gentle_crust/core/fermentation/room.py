"""A dough in the room, which is cooler by night."""

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.fermentation.engine import Leg
from gentle_crust.core.fermentation.rates import Floats

SEARCH_STEP_H = 1 / 2
"""Step while times are still being looked for: moves a crossing by less than 1 %."""
SHOWN_STEP_H = 1 / 4


def step_h(activity: Floats) -> float:
    """Fine steps for a forecast with its band, coarse ones for a search among few.

    Parameters
    ----------
    activity : factors on the leaven's pace, 1 the likely one; one column each

    Returns
    -------
    Hours.
    """
    return SHOWN_STEP_H if len(activity) > 10 else SEARCH_STEP_H


def room_leg(
    clock: Clock, start: float, hours: float, container: str, piece_g: float, holds: float, step: float
) -> Leg:
    """A leg in the room from ``start`` (hours from the clock's origin), cooler by night; steps of ``step`` h."""
    steps = max(int(np.ceil(hours / step)), 2)
    middles = start + (np.arange(steps) + 0.5) * hours / steps
    return Leg(hours, clock.room_c(middles), container, piece_g, holds)
