"""Ovens and vessels as the baker has them, what fits what, and how many go in at once."""

from dataclasses import dataclass
from typing import Literal

from gentle_crust.core.messages import NOTHING, Message, message, named
from gentle_crust.core.oven.at_once import on_one_shelf, shelf_cm2, side_by_side
from gentle_crust.core.oven.kit import OvenKind, row_of
from gentle_crust.core.oven.loaf import Loaf

FAN_LOWER_C = 20.0
"""A fan oven is set this much lower (practice)."""
TOO_COOL_K = 25.0
"""An oven this much below the profile bakes another bread."""
Side = Literal["", "left", "right", "back", "front"]


@dataclass(frozen=True)
class Oven:
    """The baker's oven.

    ``top_c`` is the highest temperature that its dial or a thermometer shows; ``heat_up_min`` (empty, to 225 C) or
    ``heater_w`` say how strong it is; ``offset_k`` how much hotter than its dial it is; ``hot_side`` which side
    browns first; ``shelf_cm2`` the room on one shelf.
    """

    kind: OvenKind = "electric"
    top_c: float = 250.0
    volume_l: float = 55.0
    heater_w: float | None = None
    heat_up_min: float | None = None
    offset_k: float = 0.0
    hot_side: Side = ""
    shelves: int = 3
    shelf_cm2: float = 1600.0
    name: str = ""

    @property
    def pace(self) -> float:
        """How fast loaves take up its heat, beside an oven of its kind: as is usual, until bakes have taught it."""
        return 1.0


@dataclass(frozen=True)
class Vessel:
    """One of the baker's vessels. ``kind`` is a row of the vessels table.

    ``base_kg``, ``lid_kg`` and ``inside_l`` are the baker's own, if weighed and measured; ``rated_c`` and ``knob_c``
    the maker's limits for vessel and lid knob; ``heats_empty`` whether the maker allows heating it empty.
    """

    id: str
    kind: str
    name: str
    count: int = 1
    base_kg: float | None = None
    lid_kg: float | None = None
    inside_l: float | None = None
    rated_c: float | None = None
    knob_c: float | None = None
    heats_empty: bool | None = None


def vessel_row(kind: str) -> dict[str, str]:
    """The table's row for a vessel kind; CraftError if unknown."""
    return row_of("vessels", "vessel", kind)


def shape_row(shape: str) -> dict[str, str]:
    """The table's row for a shape; CraftError if unknown."""
    return row_of("shapes", "shape", shape, "shape")


def in_a_sentence(vessel: Vessel) -> Message:
    """What the baker calls it, within a sentence.

    Parameters
    ----------
    vessel : a vessel of the kitchen, or its kind in the table of vessels

    Returns
    -------
    A part of a sentence.
    """
    return named(vessel.name.lower()) if vessel.name else message(f"the-vessel-{vessel.kind}")


def fits(vessel: Vessel, shape: str, piece_g: float) -> Message:
    """Why this loaf does not fit this vessel, nothing if it does.

    Parameters
    ----------
    vessel : a vessel of the kitchen, or its kind in the table of vessels
    shape : shape of the piece
    piece_g : weight of one piece, g, 30-5000

    Returns
    -------
    Why not, or nothing.
    """
    row = vessel_row(vessel.kind)
    holds = float(row["contains_g"])
    if vessel.inside_l and row["lidded"] == "1":
        # A lidded vessel holds a loaf of up to four fifths of its inside.
        holds = 1000 * vessel.inside_l * 0.8 / float(shape_row(shape)["ml_per_g"])
    if piece_g > holds:
        return message("misfit-too-much", piece=round(piece_g), name=in_a_sentence(vessel), holds=round(holds))
    if row["lidded"] == "1" and shape in ("baguette", "roll", "flat_round", "slipper"):
        return message("misfit-no-room", shape=message(f"shape-{shape}"), name=in_a_sentence(vessel))
    if shape == "pan_loaf" and vessel.kind != "tin":
        return message("misfit-needs-a-tin")
    if vessel.kind == "tin" and shape != "pan_loaf":
        return message("misfit-not-in-a-tin", shape=message(f"shape-{shape}"))
    return NOTHING


def usable_cm2(vessel: Vessel, oven: Oven) -> float:
    """The part of one shelf, or of a fired oven's floor, on which what stands in or on a vessel has its room, cm2.

    Parameters
    ----------
    vessel : a vessel of the kitchen, or its kind in the table of vessels
    oven : the oven as its baker describes it: kind, litres (10-2000), watts, offset (K)

    Returns
    -------
    cm2.
    """
    row = vessel_row(vessel.kind)
    on_the_floor = oven.kind == "wood" and vessel.kind == "oven_floor"
    whole = max(oven.shelf_cm2, shelf_cm2(oven.volume_l, "wood")) if on_the_floor else oven.shelf_cm2
    return whole * (float(row["shelf_share"]) if row["flat"] == "1" else 1.0)


def per_load(vessel: Vessel, oven: Oven, loaf: Loaf, pieces: int) -> int:
    """How many pieces go in at once: by the vessels there are, and by the room that loaves want between them.

    Parameters
    ----------
    vessel : a vessel of the kitchen, or its kind in the table of vessels
    oven : the oven as its baker describes it: kind, litres (10-2000), watts, offset (K)
    loaf : one piece as it is loaded: dough (g, 30-5000), hydration (a fraction, .45-1.2), warmth (C), shape
    pieces : number of pieces, 1-400

    Returns
    -------
    A number, 0 and more.
    """
    row = vessel_row(vessel.kind)
    if row["flat"] == "1":
        by_room = side_by_side(usable_cm2(vessel, oven), loaf)
        units = 1 if row["proof_group"] == "stone" else min(vessel.count, max(oven.shelves - 1, 1))
        return max(min(pieces, by_room * units), 1)
    if row["kind"] == "tin":
        by_room = on_one_shelf(oven.shelf_cm2, "tin") * max(oven.shelves - 1, 1)
    else:
        by_room = on_one_shelf(oven.shelf_cm2, "lidded")
    return max(min(pieces, vessel.count, by_room), 1)
