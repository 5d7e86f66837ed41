"""The loaf in the oven: its shape as a body with a skin and a middle, and the rings that heat crosses."""

from dataclasses import dataclass
from functools import lru_cache
from math import log

import numpy as np
from numpy.typing import NDArray

from gentle_crust.core import limits
from gentle_crust.core.errors import within
from gentle_crust.core.formula.model import Formula, brought_by
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import message
from gentle_crust.core.oven.kit import row_of

Array = NDArray[np.float64]

FLOUR_WATER = 0.14
"""Water that flour brings, share of its weight (common)."""
PROOFED_C, OVER_NIGHT_H = 24.0, 10.0
"""A piece proofed in the room, C; hours that a cold proof usually takes (practice)."""
_FIRST_MM, _GROWTH = 0.2, 1.32
"""The skin is a thin layer of its own: it dries and browns while what lies under it is moist (estimated)."""
_FEWEST = 9
"""Rings from skin to middle at the least: thin breads get finer ones."""


@dataclass(frozen=True)
class Loaf:
    """What is loaded: grams of dough a piece, its hydration (water over flour), C at loading, shape, pieces at once.

    ``sugar``, ``milk`` and ``malt`` are shares of the flour; ``cold_hours`` is time spent in the fridge: all
    of these brown a crust sooner.
    """

    dough_g: float
    hydration: float = 0.72
    start_c: float = 22.0
    shape: str = "boule"
    pieces: int = 1
    sugar: float = 0.0
    milk: float = 0.0
    malt: float = 0.0
    cold_hours: float = 0.0


@dataclass(frozen=True)
class Shape:
    """A row of the table of shapes, in the terms of heat. ``bottom`` is the share of skin that stands on something.

    A flat bread puffs and blisters: its skins hang over steam, so that they conduct less, dry (``dry_factor``) and
    moist (``moist_factor``), than a loaf's.
    """

    key: str
    ml_per_g: float
    height_to_width: float
    height_to_length: float
    fullness: float
    bottom: float
    dry_factor: float
    moist_factor: float


@dataclass(frozen=True)
class Rings:
    """One piece cut into rings, skin to middle: first those under the top, then the middle, then those to the base.

    ``volume_m3`` belongs to each ring, ``gap`` is area over distance (m) between neighbours, ``top_m2`` and
    ``base_m2`` the two skins, ``shape_factor`` how a body of this form conducts beside an endless one.
    """

    volume_m3: Array
    gap: Array
    width_m: Array
    top_m2: float
    base_m2: float
    middle: int
    shape_factor: float
    height_m: float
    width_across_m: float
    length_m: float


def shape(key: str) -> Shape:
    """The shape named ``key``; CraftError if unknown.

    Parameters
    ----------
    key : name in the table

    Returns
    -------
    The shape's figures.
    """
    row = row_of("shapes", "loaf.shape", key, "shape")
    numbers = (
        "ml_per_g",
        "height_to_width",
        "height_to_length",
        "fullness",
        "bottom_share",
        "dry_factor",
        "moist_factor",
    )
    return Shape(key, *(float(row[name]) for name in numbers))


def checked(loaf: Loaf) -> Loaf:
    """The loaf, if it can be baked at all; else a CraftError that names the field.

    Parameters
    ----------
    loaf : one piece as it is loaded: dough (g, 30-5000), hydration (a fraction, .45-1.2), warmth (C), shape

    Returns
    -------
    The same loaf.
    """
    shape(loaf.shape)
    within("loaf.dough_g", limits.SCALING_WEIGHT_G, loaf.dough_g, message("limit-dough-per-piece"))
    within("loaf.hydration", limits.LOAF_HYDRATION, loaf.hydration)
    within("loaf.start_c", limits.LOADED_C, loaf.start_c)
    within("loaf.pieces", limits.PIECES_IN_OVEN, loaf.pieces)
    for name, most in (("sugar", 0.4), ("milk", 1.0), ("malt", 0.1)):
        within(f"loaf.{name}", Limit(f"{name}-over-flour", 0, most, ""), getattr(loaf, name))
    within("loaf.cold_hours", limits.COLD_HOURS, loaf.cold_hours)
    return loaf


def loaf_of(formula: Formula, piece_g: float, cold_c: float | None) -> Loaf:
    """A formula's piece as it is loaded: from a fridge of ``cold_c``, or from the room (None).

    Parameters
    ----------
    formula : the formula, percents over all flour
    piece_g : weight of one piece, g, 30-5000
    cold_c : temperature of the fridge it comes from, C; none from the room

    Returns
    -------
    One piece as it is loaded.
    """

    def share(*kinds: str) -> float:
        return sum(extra.percent for extra in formula.all_extras if extra.kind in kinds) / 100

    return Loaf(
        piece_g,
        min(max(formula.hydration_percent / 100, 0.45), 1.2),
        PROOFED_C if cold_c is None else cold_c,
        formula.shape,
        1,
        min(brought_by(formula.all_extras, "sugar") / 100, 0.4),
        min(share("milk", "cream", "yoghurt"), 1.0),
        min(share("malt"), 0.1),
        0.0 if cold_c is None else OVER_NIGHT_H,
    )


def start_moisture(loaf: Loaf) -> float:
    """Kilograms of water per kilogram of dry matter: the dough's water and what the flour holds.

    Parameters
    ----------
    loaf : one piece as it is loaded: dough (g, 30-5000), hydration (a fraction, .45-1.2), warmth (C), shape

    Returns
    -------
    kg/kg.
    """
    return (loaf.hydration + FLOUR_WATER) / (1 - FLOUR_WATER + 0.02 + loaf.sugar + 0.1 * loaf.milk)


@lru_cache(maxsize=256)
def rings(shape_key: str, dough_g: float) -> Rings:
    """The rings of one piece.

    The piece is a body of height H, width W and length L filled to ``fullness``; a skin at depth r of the
    half height R has the area S (r/R)^(H/W + H/L), which is a slab, a cylinder or a ball at the ends.

    Parameters
    ----------
    shape_key : name of the shape
    dough_g : dough, g

    Returns
    -------
    Rings from skin to middle to base.
    """
    form = shape(shape_key)
    volume = dough_g * form.ml_per_g / 1e6
    height = (volume * form.height_to_width * form.height_to_length / form.fullness) ** (1 / 3)
    half = height / 2
    power = form.height_to_width + form.height_to_length
    skin = volume * (power + 1) / half
    count = max(round(log(1 + (_GROWTH - 1) * half * 1000 / _FIRST_MM) / log(_GROWTH)), _FEWEST)
    steps = half * (_GROWTH - 1) / (_GROWTH**count - 1) * _GROWTH ** np.arange(count)
    radius = np.concatenate([half - np.concatenate([[0.0], np.cumsum(steps)[:-1]]), [0.0]])
    faces = (radius[:-1] + radius[1:]) / 2
    edges = np.concatenate([[half], faces, [0.0]])
    shells = volume * ((edges[:-1] / half) ** (power + 1) - (edges[1:] / half) ** (power + 1))
    gaps = skin * (faces / half) ** power / steps
    top, base = 1 - form.bottom, form.bottom
    width = -np.diff(edges)
    hw2, hl2 = form.height_to_width**2, form.height_to_length**2
    conduct = (1 + 0.7 * (1 - form.fullness)) * 2.467 * (1 + hw2 + hl2) / (2.467 + 3.016 * power + 0.342 * power**2)
    return Rings(
        volume_m3=np.concatenate([shells[:-1] * top, shells[-1:], shells[-2::-1] * base]),
        gap=np.concatenate([gaps * top, gaps[::-1] * base]),
        width_m=np.concatenate([width[:-1], width[-1:], width[-2::-1]]),
        top_m2=skin * top,
        base_m2=skin * base,
        middle=count,
        shape_factor=min(1.0, conduct) * form.moist_factor,
        height_m=height,
        width_across_m=height / form.height_to_width,
        length_m=height / form.height_to_length,
    )
