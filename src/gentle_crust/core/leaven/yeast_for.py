"""How much yeast a preferment gets so that it is ripe in time."""

from collections.abc import Callable

import numpy as np

from gentle_crust.core.errors import CraftError

LEAST_PERCENT, ENOUGH_PERCENT, MOST_PERCENT = 0.005, 1.0, 2.0
"""Instant yeast, percent of the preferment's flour: the least and the most that is thought of, and what is enough
where it may be used in time with that (practice)."""


def yeast_for(hours: float, ripe: Callable[[float], float], usable: Callable[[float], float], field: str) -> float:
    """Instant yeast, percent of its flour, that makes a preferment ripe after ``hours``.

    Parameters
    ----------
    hours : when it is wanted, from mixing.
    ripe, usable : hours until it is ripe, and until it may be used, with a dose (percent).
    field : what a refusal names.

    Raises
    ------
    CraftError : where even the least is too fast, or the most too slow.
    """
    from scipy.optimize import brentq  # it takes half a second to load

    def late(log_percent: float) -> float:
        return ripe(float(np.exp(log_percent))) - hours

    low, high = float(np.log(LEAST_PERCENT)), float(np.log(MOST_PERCENT))
    if late(low) < 0:
        raise CraftError(field, "culture-yeast-too-fast", least_percent=LEAST_PERCENT)
    if ripe(ENOUGH_PERCENT) > hours >= usable(ENOUGH_PERCENT):
        return ENOUGH_PERCENT
    if late(high) > 0:
        raise CraftError(field, "culture-yeast-too-slow", most_percent=MOST_PERCENT)
    return float(np.exp(brentq(late, low, high, xtol=0.005)))
