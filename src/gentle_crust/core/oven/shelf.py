"""How a load stands in the oven, seen from above: each piece on its shelf, with the room between them."""

from dataclasses import dataclass
from math import ceil

from gentle_crust.core.formula.model import ROUND
from gentle_crust.core.messages import Message, joined, message
from gentle_crust.core.oven.at_once import footprint_cm, on_one_shelf, sides_cm
from gentle_crust.core.oven.equipment import Oven, Vessel, per_load, shape_row, usable_cm2, vessel_row
from gentle_crust.core.oven.loaf import Loaf, rings
from gentle_crust.core.oven.turning import half_way, in_use

PLENTY = 1000
NEAR_CM = 1.0
"""By less than this nobody sets loaves apart."""


@dataclass(frozen=True)
class OnShelf:
    """Where one piece stands, cm from the left and from the back to its middle, and its size in both directions."""

    x_cm: float
    y_cm: float
    across_cm: float
    along_cm: float


@dataclass(frozen=True)
class LoadPlan:
    """A load seen from above. ``shelves``: the pieces on each, the upper first, all of one size in cm.

    ``gap_cm``: what is left between pieces, ``wants_cm`` what such loaves want. ``most``: how many go in at once with
    the baker's own vessels. ``swap_min``: when shelves change places, or a loaf is turned; None if nothing is.
    """

    wide_cm: float
    deep_cm: float
    shelves: tuple[tuple[OnShelf, ...], ...]
    round: bool
    at_once: int
    most: int
    gap_cm: float
    wants_cm: float
    loads: int
    swap_min: float | None
    said: Message


def load_plan(vessel: Vessel, oven: Oven, loaf: Loaf, pieces: int, minutes: tuple[float, ...]) -> LoadPlan:
    """The first and largest load of ``pieces``, of a bake in stages of so many ``minutes``.

    Parameters
    ----------
    vessel : a vessel of the kitchen, or its kind in the table of vessels
    oven : the oven as its baker describes it: kind, litres (10-2000), watts, offset (K)
    loaf : one piece as it is loaded: dough (g, 30-5000), hydration (a fraction, .45-1.2), warmth (C), shape
    pieces : number of pieces, 1-400
    minutes : minutes

    Returns
    -------
    Where each piece stands, cm.
    """
    row, at_once = vessel_row(vessel.kind), per_load(vessel, oven, loaf, pieces)
    room = usable_cm2(vessel, oven)
    wide, deep = sides_cm(room)
    flat = row["flat"] == "1"
    units = in_use(vessel, oven, loaf, at_once) if flat else _levels(row, oven, at_once, room)
    across, along = _size_cm(row, loaf)
    most = per_load(vessel, oven, loaf, PLENTY)
    counts = [at_once // units + (place < at_once % units) for place in range(units)]
    shelves = tuple(_laid(count, wide, deep, across, along) for count in counts)
    gap = min(_between(shelf, wide, deep) for shelf in shelves)
    swaps = oven.kind == "wood" or (in_use(vessel, oven, loaf, at_once) > 1 and row["kind"] != "tin")
    swap = half_way(minutes) if swaps else None
    loads = ceil(pieces / at_once)
    too_long = (max(across, along), max(wide, deep)) if max(across, along) > max(wide, deep) else None
    wants = float(shape_row(loaf.shape)["gap_cm"]) if flat else 0.0
    return LoadPlan(
        wide_cm=round(wide, 1),
        deep_cm=round(deep, 1),
        shelves=shelves,
        round=loaf.shape in ROUND and row["kind"] != "tin",
        at_once=at_once,
        most=most,
        gap_cm=round(gap, 1),
        wants_cm=wants,
        loads=loads,
        swap_min=swap,
        said=_said(at_once, most, units, gap, wants, flat, loads, swap, oven, too_long),
    )


def _levels(row: dict[str, str], oven: Oven, at_once: int, room: float) -> int:
    """Shelves that pots or tins stand on."""
    if row["kind"] != "tin":
        return 1
    return min(ceil(at_once / on_one_shelf(room, "tin")), max(oven.shelves - 1, 1))


def _size_cm(row: dict[str, str], loaf: Loaf) -> tuple[float, float]:
    """What one piece, pot or tin takes, cm."""
    if row["kind"] == "tin" or row["lidded"] == "1":
        return footprint_cm(row["kind"])
    body = rings(loaf.shape, loaf.dough_g)
    return float(100 * body.width_across_m), float(100 * body.length_m)


def _laid(count: int, wide: float, deep: float, across: float, along: float) -> tuple[OnShelf, ...]:
    """So many pieces in rows, lengthwise or crosswise, as far from one another and from the walls as can be."""
    ways = [
        (min(wide / columns - x, deep / ceil(count / columns) - y), columns, x, y)
        for columns in range(1, count + 1)
        for x, y in ((across, along), (along, across))
    ]
    _, columns, x, y = max(ways, key=lambda way: way[0])
    rows = ceil(count / columns)
    found = []
    for place in range(count):
        row = place // columns
        here = min(columns, count - row * columns)
        found.append(OnShelf(
            round(wide * (place % columns + 0.5) / here, 2), round(deep * (row + 0.5) / rows, 2), round(x, 2),
            round(y, 2),
        ))  # fmt: skip
    return tuple(found)


def _between(shelf: tuple[OnShelf, ...], wide: float, deep: float) -> float:
    """What is left between the nearest two of a shelf, or on both sides of a single piece."""
    apart = [max(_apart(a.x_cm, b.x_cm, a.across_cm), _apart(a.y_cm, b.y_cm, a.along_cm))
             for place, a in enumerate(shelf) for b in shelf[:place]]  # fmt: skip
    alone = min(wide - shelf[0].across_cm, deep - shelf[0].along_cm)
    return max(min(apart, default=alone), 0.0)


def _apart(one: float, other: float, size: float) -> float:
    """Between the edges of two of one size, by their middles."""
    return abs(one - other) - size


def _said(
    at_once: int,
    most: int,
    units: int,
    gap: float,
    wants: float,
    flat: bool,
    loads: int,
    swap: float | None,
    oven: Oven,
    too_long: tuple[float, float] | None,
) -> Message:
    """The load in a sentence or two."""
    parts = [message("load-stands", count=at_once, most=max(most, at_once), shelves=units, room=int(most > at_once))]
    if too_long:
        parts.append(message("load-too-long", cm=round(too_long[0]), room=round(too_long[1])))
    if flat and at_once > 1:
        close = gap < wants - NEAR_CM
        apart = message("load-apart", cm=round(gap))
        parts.append(message("load-close", cm=round(gap), wants=round(wants)) if close else apart)
    if loads > 1:
        parts.append(message("load-of-loads", loads=loads))
    if swap is not None:
        parts.append(message("load-turned" if oven.kind == "wood" else "load-swapped", minute=round(swap)))
    return joined(*parts)
