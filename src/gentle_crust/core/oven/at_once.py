"""How many pieces an oven takes at once: by the room on its shelves, the gaps that loaves want, and what holds them."""

from math import floor, sqrt

from gentle_crust.core.oven.kit import OvenKind, row_of, vessel_heat
from gentle_crust.core.oven.loaf import Loaf, rings

SHELF_CM2, OF_LITRES = 1600.0, 60.0
"""One shelf of an oven of 60 litres; larger ones in proportion to their walls (practice)."""
SHELVES = ((100.0, 2), (250.0, 3), (600.0, 6), (1200.0, 12), (10_000.0, 18))
"""Shelves that bake evenly at once, by the oven's litres (practice)."""
FLOOR_CM2, LEAST_FIRED_L = 5000.0, 130.0
"""A fired oven is low and wide: 80 cm across under a dome of 130 litres, the smallest that is built (practice)."""
POT_CM2, TIN_CM2 = 700.0, 350.0
"""Room that one lidded vessel and the smallest tin take on a shelf, with the gap about them (practice)."""
WIDE_TO_DEEP = 4 / 3
"""A shelf is so much wider than deep (practice)."""
TIN_LONG, OF_ITS_ROOM = 2.2, 0.85
"""A tin is so much longer than wide; it and a pot are so long beside the room they are given (practice)."""
FILLED = 0.85
"""Of a lidded vessel, what a loaf may fill when it has sprung (practice)."""
LARGEST_TIN_G = 2500.0


def shelf_cm2(litres: float, kind: OvenKind = "electric") -> float:
    """The room on one shelf, or on the floor of a fired oven, cm2.

    Parameters
    ----------
    litres : volume of the oven, l, 10-2000
    kind : kind of oven, vessel or steam, of the tables

    Returns
    -------
    cm2 (practice).
    """
    if kind == "wood":
        return float(FLOOR_CM2 * (max(litres, LEAST_FIRED_L) / LEAST_FIRED_L) ** (2 / 3))
    return float(SHELF_CM2 * (litres / OF_LITRES) ** (2 / 3))


def shelves(litres: float, kind: OvenKind = "electric") -> int:
    """How many shelves bake at once; a fired oven has its floor alone.

    Parameters
    ----------
    litres : volume of the oven, l, 10-2000
    kind : kind of oven, vessel or steam, of the tables

    Returns
    -------
    A number, 1 and more (practice).
    """
    return 1 if kind == "wood" else next(count for most, count in SHELVES if litres <= most)


def sides_cm(room_cm2: float) -> tuple[float, float]:
    """A shelf's or a floor's width and depth, cm.

    Parameters
    ----------
    room_cm2 : room on a shelf or floor, cm2

    Returns
    -------
    Width and depth, cm.
    """
    return sqrt(room_cm2 * WIDE_TO_DEEP), sqrt(room_cm2 / WIDE_TO_DEEP)


def in_rows(room_cm2: float, across_cm: float, along_cm: float) -> int:
    """Pieces that stand side by side in rows at all, at least one; what is longer than the room is shaped to fit.

    Parameters
    ----------
    room_cm2 : room on a shelf or floor, cm2
    across_cm : width of a piece, cm
    along_cm : length of a piece, cm

    Returns
    -------
    A number, 1 and more.
    """
    wide, deep = sides_cm(room_cm2)
    across, along = min(across_cm, wide), min(along_cm, wide)
    return max(floor(wide / x) * floor(deep / y) for x, y in ((across, along), (along, across))) or 1


def footprint_cm(vessel: str) -> tuple[float, float]:
    """A lidded vessel's, or the smallest tin's, width and length, cm.

    Parameters
    ----------
    vessel : a vessel of the kitchen, or its kind in the table of vessels

    Returns
    -------
    Width and length, cm.
    """
    if vessel == "tin":
        across = sqrt(TIN_CM2 / TIN_LONG)
        return OF_ITS_ROOM * across, OF_ITS_ROOM * across * TIN_LONG
    side = OF_ITS_ROOM * sqrt(POT_CM2)
    return side, side


def on_one_shelf(room_cm2: float, vessel: str) -> int:
    """Lidded vessels, or the smallest tins, that stand on a shelf, at least one.

    Parameters
    ----------
    room_cm2 : room on a shelf or floor, cm2
    vessel : a vessel of the kitchen, or its kind in the table of vessels

    Returns
    -------
    A number, 1 and more.
    """
    by_area = floor(room_cm2 / (TIN_CM2 if vessel == "tin" else POT_CM2))
    return max(min(by_area, in_rows(room_cm2, *footprint_cm(vessel))), 1)


def side_by_side(usable_cm2: float, loaf: Loaf) -> int:
    """Pieces on one flat shelf with the gaps that such loaves want, by area and in rows, at least one.

    Parameters
    ----------
    usable_cm2 : room that can be used on a shelf, cm2
    loaf : one piece as it is loaded: dough (g, 30-5000), hydration (a fraction, .45-1.2), warmth (C), shape

    Returns
    -------
    A number, 1 and more.
    """
    body, gap = rings(loaf.shape, loaf.dough_g), float(row_of("shapes", "loaf.shape", loaf.shape, "shape")["gap_cm"])
    across, along = 100 * body.width_across_m, 100 * body.length_m
    by_area = floor(usable_cm2 / ((across + gap) * (along + gap)))
    return max(min(by_area, in_rows(usable_cm2, across, along)), 1)


def at_once(loaf: Loaf, vessel: str, litres: float, kind: OvenKind = "electric", inside_l: float | None = None) -> int:
    """Pieces that go in together, as many vessels as that takes; 0 if not even one has room.

    Parameters
    ----------
    loaf : one piece as it is loaded: dough (g, 30-5000), hydration (a fraction, .45-1.2), warmth (C), shape
    vessel : a vessel of the kitchen, or its kind in the table of vessels
    litres : volume of the oven, l, 10-2000
    kind : kind of oven, vessel or steam, of the tables
    inside_l : room inside a vessel, l

    Returns
    -------
    A number, 0 and more.
    """
    heat, row = vessel_heat(vessel), row_of("vessels", "vessel.kind", vessel)
    form = row_of("shapes", "loaf.shape", loaf.shape, "shape")
    room, levels = shelf_cm2(litres, kind), shelves(litres, kind)
    body = rings(loaf.shape, loaf.dough_g)
    if heat.lid_kg > 0:
        holds_ml = 1000 * FILLED * (inside_l or heat.inside_l)
        if loaf.dough_g * float(form["ml_per_g"]) > holds_ml:
            return 0
        return on_one_shelf(room, "lidded") * max(levels // 2, 1)
    if vessel == "tin":
        grown = max(loaf.dough_g / 1000, 0.4) ** (2 / 3)
        return 0 if loaf.dough_g > LARGEST_TIN_G else max(floor(room / (TIN_CM2 * grown)), 1) * levels
    if body.width_across_m * body.length_m * 1e4 > room:
        return 0
    levels = 1 if row["proof_group"] == "stone" and kind not in ("rack", "built_in_steam") else levels
    return side_by_side(float(row["shelf_share"]) * room, loaf) * levels


def in_loads(pieces: int, most: int) -> tuple[int, ...]:
    """So many pieces in loads of at most ``most``, as even as can be, the larger first.

    Parameters
    ----------
    pieces : number of pieces, 1-400
    most : the most at once

    Returns
    -------
    Pieces of each load.
    """
    count = -(-pieces // most)
    return tuple(pieces // count + (place < pieces % count) for place in range(count))
