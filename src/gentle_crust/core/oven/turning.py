"""When loaves are turned, and trays on two shelves change places: half-way, for no oven is alike in all its corners."""

from collections.abc import Sequence
from dataclasses import replace
from math import ceil

from gentle_crust.core.oven.equipment import Oven, Vessel, per_load
from gentle_crust.core.oven.loaf import Loaf


def half_way(minutes: Sequence[float]) -> float | None:
    """Minutes from loading at which the trays of a bake in stages of such ``minutes`` change places.

    Half-way, but not before its last stage, and in the middle of that if half-way is before it; None if that stage is
    too short to be parted.

    Parameters
    ----------
    minutes : minutes

    Returns
    -------
    Minutes from loading, or none.
    """
    before, last = sum(minutes[:-1]), minutes[-1]
    half = (before + last) / 2 - before
    first = round(half) if half >= 2 else round(last / 2)
    return before + first if 1 <= first < last else None


def on_one(vessel: Vessel, oven: Oven, loaf: Loaf) -> int:
    """Pieces that one vessel takes at once, at least one.

    Parameters
    ----------
    vessel : a vessel of the kitchen, or its kind in the table of vessels
    oven : the oven as its baker describes it: kind, litres (10-2000), watts, offset (K)
    loaf : one piece as it is loaded: dough (g, 30-5000), hydration (a fraction, .45-1.2), warmth (C), shape

    Returns
    -------
    A number, 1 and more.
    """
    return max(per_load(replace(vessel, count=1), oven, loaf, 1000), 1)


def in_use(vessel: Vessel, oven: Oven, loaf: Loaf, pieces: int) -> int:
    """How many vessels of a kind are in the oven with so many pieces.

    Parameters
    ----------
    vessel : a vessel of the kitchen, or its kind in the table of vessels
    oven : the oven as its baker describes it: kind, litres (10-2000), watts, offset (K)
    loaf : one piece as it is loaded: dough (g, 30-5000), hydration (a fraction, .45-1.2), warmth (C), shape
    pieces : number of pieces, 1-400

    Returns
    -------
    A number, 1 and more.
    """
    return ceil(pieces / on_one(vessel, oven, loaf))
