"""Water temperature by heat balance, and by the bakers' factor rule beside it."""

from dataclasses import dataclass
from typing import Literal

from gentle_crust.core.errors import CraftError

Mixing = Literal["spoon", "folds", "hand_kneading", "slap_and_fold", "planetary_mixer", "spiral_mixer", "processor"]

FRICTION_K: dict[str, float] = {
    "spoon": 0.5,
    "folds": 0.5,
    "hand_kneading": 2.0,
    "slap_and_fold": 2.0,
    "planetary_mixer": 6.5,
    "spiral_mixer": 7.5,
    "processor": 15.0,
}
"""What mixing adds to a dough's temperature, K (practice)."""

HEAT_OF_HYDRATION_J_PER_G = 6.0
"""Heat that wetting ordinary flour gives off (tuned; literature 4-15, recalled)."""
FLOUR, WATER, SALT, SUGAR, OIL = 1.8, 4.19, 0.9, 1.25, 2.0
"""Specific heats, J/g K (literature, recalled)."""


@dataclass(frozen=True)
class Part:
    """Something that goes into the bowl: mass, specific heat (J/g K) and its own temperature."""

    g: float
    heat_j_per_g_k: float
    c: float


def levain_heat(hydration: float) -> float:
    """Specific heat of a preferment, J/g K, from its hydration (fraction)."""
    return (FLOUR + WATER * hydration) / (1 + hydration)


def _heat_sum(parts: tuple[Part, ...]) -> float:
    return sum(part.g * part.heat_j_per_g_k for part in parts)


def _given(parts: tuple[Part, ...], flour_g: float, water_g: float, friction_k: float) -> float:
    """Heat from friction and from wetting the flour, J."""
    return (_heat_sum(parts) + water_g * WATER) * friction_k + HEAT_OF_HYDRATION_J_PER_G * flour_g


def water_for(target_c: float, parts: tuple[Part, ...], flour_g: float, water_g: float, friction_k: float) -> float:
    """Temperature that ``water_g`` must have so that the dough leaves the bowl at ``target_c``.

    ``parts`` are all ingredients but the water; ``flour_g`` the dry flour that is wetted in this mix.
    """
    if water_g <= 0:
        raise CraftError("dough.water_g", "There is no water to set the temperature with.", "Give the water's grams.")
    lacking = sum(part.g * part.heat_j_per_g_k * (target_c - part.c) for part in parts)
    return target_c + (lacking - _given(parts, flour_g, water_g, friction_k)) / (water_g * WATER)


def dough_from(water_c: float, parts: tuple[Part, ...], flour_g: float, water_g: float, friction_k: float) -> float:
    """Dough temperature that water at ``water_c`` gives: the same balance, the other way round."""
    held = sum(part.g * part.heat_j_per_g_k * part.c for part in parts) + water_g * WATER * water_c
    return (held + _given(parts, flour_g, water_g, friction_k)) / (_heat_sum(parts) + water_g * WATER)


def factor_rule(target_c: float, flour_c: float, room_c: float, friction_k: float, preferment_c: float | None) -> float:
    """The bakers' rule: n times the target, less flour, room, friction factor and preferment.

    n is 3, or 4 with a preferment; the rule's friction factor is n times the dough's own warming.
    """
    count = 3 if preferment_c is None else 4
    return count * target_c - flour_c - room_c - count * friction_k - (preferment_c or 0.0)
