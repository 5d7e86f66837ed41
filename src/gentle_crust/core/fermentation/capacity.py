"""How much gas a dough can hold in the state and vessel it is in."""

from dataclasses import dataclass

import numpy as np

from gentle_crust.core.errors import Unreadable
from gentle_crust.core.fermentation.dough import Dough, FlourPart, Makeup, makeup
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

    Parameters
    ----------
    makeup : the dough per 100 g of its flour
    state : where the dough stands, one column an activity of its leaven

    Returns
    -------
    A fraction, 0-4; no range is refused. Tables of flour strength, worn by acid and age (tuned).
    """
    if state not in STATES:
        raise Unreadable("state", "fermentation-state-unknown", state=state, names=tuple(STATES))
    if state in GLUTEN_IN_JAR:
        return _of(state) * in_jar(makeup)
    bran = 1 - _of("bran") * makeup.whole_grain
    rye = 1 - _of("rye") * makeup.rye
    gluten = held_by_gluten(makeup.strength)
    dry = makeup.hydration - makeup.bound_water - 0.1 * (makeup.whole_grain + makeup.rye)
    wet = 1 - _of("wet") * max(dry - _of("wet_from"), 0)
    fat = 1 + _of("fat") * min(makeup.fat_percent, 3)
    return _of(state) * bran * rye * gluten * wet * fat * developed(makeup.folded)


def held_by_gluten(strength: float) -> float:
    """Share of a strong flour's gas that gluten of this strength (0-1.1) holds; without any, hardly any (practice).

    Parameters
    ----------
    strength : gluten strength, 1 that of strong white flour, 0-1.1

    Returns
    -------
    A share, 0-1.
    """
    return float(np.interp(strength, [0, WEAKEST_GLUTEN, 1.1], [UNHELD, 0.64, 1.045]))


def in_jar(makeup: Makeup) -> float:
    """Share of a white culture's greatest rise that this one reaches in its jar, where walls carry it.

    Wheat's gluten holds it, whole grain a little less. Rye has none: it stands as a foam of its pentosans, which
    reaches about twice its height (practice).

    Parameters
    ----------
    makeup : the dough per 100 g of its flour

    Returns
    -------
    A share, 0-1.
    """
    wheat = held_by_gluten(min((makeup.strength - 0.375 * makeup.rye) / max(1 - makeup.rye, 1e-6), 1.1))
    wheat *= 1 - _of("bran_in_jar") * makeup.whole_grain
    share: float = (1 - makeup.rye) * wheat + makeup.rye * _of("rye_foam")
    return share


def developed(folded: float) -> float:
    """Share of its gas that a dough can hold by how much of its kneading or folding it got (0-1).

    Parameters
    ----------
    folded : share of the kneading or folding it needs that it got, 0-1

    Returns
    -------
    A share, 0-1 (practice).
    """
    return float(np.interp(folded, [0, 0.5, 1], [_of("neglected"), _of("folded_too_little"), 1.0]))


@dataclass(frozen=True)
class Reach:
    """What flours can reach: the greatest rise (fraction), and how much of them is rye (0-1)."""

    greatest_rise: float
    rye: float


USUAL_WATER = 0.7


def reach_of(flours: tuple[FlourPart, ...], hydration: float | None = None, in_jar: bool = False) -> Reach:
    """The greatest rise of a dough of ``flours`` (by share) in bulk, or of a culture of them in its jar.

    ``hydration``: water over flour, a fraction. CraftError for a flour that is not known.

    Parameters
    ----------
    flours : flours with their share of all flour
    hydration : water over flour, a fraction, .4-2
    in_jar : whether it is a culture in a jar, whose walls carry it

    Returns
    -------
    Greatest rise (a fraction), and when it is only known to be less.
    """
    made = makeup(Dough(flours, (USUAL_WATER if hydration is None else hydration) * sum(part.g for part in flours)))
    return Reach(greatest_rise(made, "culture" if in_jar else "bulk"), made.rye)
