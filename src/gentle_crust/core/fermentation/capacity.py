"""How much gas a dough can hold in the state and vessel it is in."""

import numpy as np

from gentle_crust.core.errors import Unreadable
from gentle_crust.core.fermentation.dough import Makeup
from gentle_crust.core.tables import constant

STATES = ("bulk", "culture", "free_standing", "free_standing_yeasted", "tin", "tray")
GLUTEN_IN_JAR = ("culture",)
WEAKEST_GLUTEN, UNHELD = 0.2, 0.15
"""Strength of the weakest flour that still holds some gas, and what a dough without any gluten holds of a strong one's
(practice)."""


def _of(name: str) -> float:
    return constant("fermentation", "capacity", name)


def greatest_rise(makeup: Makeup, state: str) -> float:
    """Rise at which this dough holds no more gas, as a fraction of its gas-free volume.

    ``state`` is bulk, culture (a levain or poolish in its jar), free_standing, free_standing_yeasted,
    tin or tray. Weak or undeveloped gluten, bran, rye and water beyond what the flour carries lower it, a little fat
    raises it (practice).
    """
    if state not in STATES:
        raise Unreadable("state", "fermentation-state-unknown", state=state, names=tuple(STATES))
    bran = 1 - _of("bran") * makeup.whole_grain
    rye = 1 - _of("rye") * makeup.rye
    gluten = float(np.interp(makeup.strength, [0, WEAKEST_GLUTEN, 1.1], [UNHELD, 0.64, 1.045]))
    if state in GLUTEN_IN_JAR:
        return _of(state) * bran * rye * gluten
    dry = makeup.hydration - makeup.bound_water - 0.1 * (makeup.whole_grain + makeup.rye)
    wet = 1 - _of("wet") * max(dry - _of("wet_from"), 0)
    fat = 1 + _of("fat") * min(makeup.fat_percent, 3)
    return _of(state) * bran * rye * gluten * wet * fat * developed(makeup.folded)


def developed(folded: float) -> float:
    """Share of its gas that a dough can hold by how much of its kneading or folding it got (0-1)."""
    return float(np.interp(folded, [0, 0.5, 1], [_of("neglected"), _of("folded_too_little"), 1.0]))
