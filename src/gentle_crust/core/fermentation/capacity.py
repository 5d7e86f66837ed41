"""How much gas a dough can hold in the state and vessel it is in."""

from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.dough import Makeup

_BASE = {
    "bulk": 2.4,
    "culture": 1.9,
    "free_standing": 1.42,
    "free_standing_yeasted": 1.6,
    "tin": 2.0,
    "tray": 1.7,
}
"""Greatest rise (0 = no rise, 1 = doubled) of a strong, developed white dough in each state (practice)."""


def greatest_rise(makeup: Makeup, state: str) -> float:
    """Rise at which this dough holds no more gas, as a fraction of its gas-free volume.

    ``state`` is bulk, culture (a levain or poolish in its jar), free_standing, free_standing_yeasted,
    tin or tray. Weak flour, bran, rye and water beyond what the flour carries lower it (practice).
    """
    if state not in _BASE:
        raise CraftError("state", f"'{state}' is not a state of dough I know.", f"Choose one of {', '.join(_BASE)}.")
    bran = 1 - 0.25 * makeup.whole_grain
    rye = 1 - 0.45 * makeup.rye
    gluten = 0.55 + 0.45 * min(makeup.strength, 1.1)
    wet = 1 - 0.8 * max(makeup.hydration - makeup.bound_water - 0.85 - 0.1 * (makeup.whole_grain + makeup.rye), 0)
    return _BASE[state] * bran * rye * gluten * (1.0 if state == "culture" else wet)
