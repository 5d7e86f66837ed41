"""How what is in a dough speeds or slows what lives in it."""

import numpy as np

from gentle_crust.core.tables import constant


def _of(name: str) -> float:
    return constant("fermentation", "pace", name)


def of_salt(salt_percent: float) -> float:
    """Pace of yeasts by salt.

    Parameters
    ----------
    salt_percent : percent of all flour, 0-5.

    Returns
    -------
    Factor, 1 at 2 % salt, 0.4-1.25: 1 - a (salt - 2) with a = 0.12 (practice).
    """
    return min(max(1 - _of("salt_per_percent") * (salt_percent - 2), 0.4), 1.25)


def of_salt_on_bacteria(salt_percent: float) -> float:
    """Pace of lactic bacteria by salt, percent of all flour: 1 at 2 % salt, slower beyond (practice).

    Parameters
    ----------
    salt_percent : salt, percent of all flour, 0-5

    Returns
    -------
    A factor on the rate, 0-1.1.
    """
    return min(max(1 - _of("salt_on_bacteria_per_percent") * (salt_percent - 2), 0.4), 1.3)


def of_water(free_water: float) -> float:
    """Pace of all that lives by the water that is free to it.

    Parameters
    ----------
    free_water : water over all flour, less what soaked grains keep; a fraction, 0.3-2.

    Returns
    -------
    Factor, 1 at 0.68: h^n / (h^n + c^n), brought to 1 there (Hill's form; n and c tuned). A stiff dough is slow, since
    little water carries sugar to the cells; beyond a slack one more water helps less and less.
    """
    reference = _of("water_reference")
    return _hill(free_water) / _hill(reference)


def _hill(free_water: float) -> float:
    power, half = _of("water_power"), _of("water_half")
    reach = max(free_water, 0.05) ** power
    return float(reach / (reach + half**power))


NO_MORE_AT = 0.12
"""Alcohol over all liquid, by weight, at which baker's yeast stands still (recalled)."""


def of_alcohol(alcohol_percent: float, hydration: float) -> float:
    """Pace of yeasts by the alcohol that beer, cider or wine bring.

    Parameters
    ----------
    alcohol_percent : g per 100 g of all flour, 0-15.
    hydration : water over all flour, a fraction, 0.4-1.5.

    Returns
    -------
    Factor, 1 without any: 1 - c / 0.12, c the alcohol over alcohol and water by weight (a straight line: recalled,
    unverified); 0.05 at least. All water of a dough as beer slows it by about a third.
    """
    if alcohol_percent <= 0:
        return 1.0
    liquid = alcohol_percent + 100 * hydration
    return max(1 - alcohol_percent / liquid / NO_MORE_AT, 0.05)


def of_sugar(sugar_percent: float, hydration: float, osmotolerant: bool = False) -> float:
    """Pace of yeasts by sugar, which draws water out of them.

    Parameters
    ----------
    sugar_percent : percent of all flour, 0-60.
    hydration : water over all flour, a fraction.
    osmotolerant : whether the yeast is one bred for sweet doughs: half of the slowing is left.

    Returns
    -------
    Factor, 1 without sugar: 1 / (1 + (s / s0)^3) with s the sugar over the water, as percent at 65 % water (tuned).
    """
    strength = sugar_percent * 0.65 / max(hydration, 0.3) / _of("sugar_half_percent")
    slowing = float(strength ** _of("sugar_power"))
    return 1 / (1 + (0.5 * slowing if osmotolerant else slowing))


def of_fat(fat_percent: float) -> float:
    """Pace of yeasts by fat, percent of all flour: 1 up to 6 %, slower beyond (practice).

    Parameters
    ----------
    fat_percent : fat, percent of all flour, 0-60

    Returns
    -------
    A factor on the rate, 0-1.
    """
    return 1 - min(max(_of("fat_per_percent") * (fat_percent - _of("fat_free_percent")), 0), 0.4)


def of_grain(whole_grain: float, rye: float, malt_percent: float) -> float:
    """Pace of yeasts by bran and rye (fractions of all flour), which bring food and enzymes, and by malt (practice).

    Parameters
    ----------
    whole_grain : share of whole grain in all flour, 0-1
    rye : share of rye in all flour, 0-1
    malt_percent : malt, percent of all flour, 0-10

    Returns
    -------
    A factor on the rate, 1-2.
    """
    grain = 1 + _of("whole_grain") * whole_grain * (1 - rye) + _of("rye") * rye
    return grain * (1 + _of("malt") * min(2 * malt_percent, 1))


def of_grain_on_bacteria(whole_grain: float, rye: float) -> float:
    """Pace of lactic bacteria by bran and rye, fractions of all flour (practice).

    Parameters
    ----------
    whole_grain : share of whole grain in all flour, 0-1
    rye : share of rye in all flour, 0-1

    Returns
    -------
    A factor on the rate, 1-2.
    """
    return 1 + _of("grain_on_bacteria") * max(whole_grain, rye)


def crowded(yeast_g: float) -> float:
    """Baker's yeast that works, g a 100 g of flour, of so much: many cells wait for the same sugar (tuned).

    Parameters
    ----------
    yeast_g : instant yeast, g per 100 g of flour, 0-5

    Returns
    -------
    Yeast that works, g per 100 g of flour.
    """
    return yeast_g / (1 + yeast_g / constant("fermentation", "bakers_yeast", "crowded_g"))


def air_pressure(altitude_m: float) -> float:
    """Pressure of the air at a height, as a share of that at the sea.

    Parameters
    ----------
    altitude_m : 0-5,000 m.

    Returns
    -------
    (1 - 2.2558e-5 h)^5.2559, the standard atmosphere (literature, unverified).
    """
    return float(np.power(1 - 2.2558e-5 * altitude_m, 5.2559))
