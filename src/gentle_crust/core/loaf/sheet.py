"""A loaf judged: what is seen outside, inside and tasted, every part of it optional; and what its measures come to."""

from dataclasses import dataclass, fields
from math import pi
from typing import Literal

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.formula.model import ROUND
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import message

Scores = Literal["closed", "opened", "ear", "tore_beside"]
Form = Literal["domed", "round", "flat", "spread", "mushroomed", "caved_in"]
BlowOut = Literal["none", "side", "top", "end", "base"]
Bottom = Literal["flat", "hollow", "burst"]
Openness = Literal["tight", "even_small", "even_medium", "open", "wild"]
HolesAt = Literal["everywhere", "under_crust", "middle", "tunnels", "dense_base", "ring"]
Walls = Literal["thin", "thick"]
Bite = Literal["gummy", "moist", "dry"]
CrumbColour = Literal["white", "cream", "grey", "brown"]
Crust = Literal["crackling", "thin", "thick", "leathery"]
Salt = Literal["low", "right", "high"]
Keeps = Literal["fresh", "firm", "dry", "stale", "mould"]

EXCLUDES: dict[str, tuple[str, ...]] = {
    "everywhere": ("under_crust", "middle", "tunnels", "ring"),
    "under_crust": ("middle",),
}
"""Places of holes that cannot both be so."""
FULL: dict[str, float] = {
    "boule": 0.67, "roll": 0.68, "flat_round": 0.80, "batard": 0.58, "baguette": 0.70, "slipper": 0.75,
    "pan_loaf": 0.86,
}  # fmt: skip
"""How much of the box, or of a round loaf the cylinder, around it a loaf fills: an ellipsoid fills 2/3 of its cylinder
and .52 of its box; fuller ends and flanks more (practice; a loaf differs by about a tenth)."""


WHOSE = ("part", "piece", "day")
"""Whose loaf it is, and when: says nothing of it."""


@dataclass(frozen=True)
class Sheet:
    """What was said of one loaf. Lengths mm, weights g; colours 0-100 as on the drawn chips; sour and liked by steps.

    ``part`` of the dough that it belongs to and ``piece`` its mark, both empty if it speaks for all. ``cut_min``:
    minutes from the oven to the knife. ``day`` 0 is the day of the bake; later ones say how it keeps.
    """

    part: str = ""
    piece: str = ""
    day: int = 0
    height_mm: float | None = None
    width_mm: float | None = None
    length_mm: float | None = None
    out_g: float | None = None
    cut_min: float | None = None
    scores: Scores | None = None
    form: Form | None = None
    top_colour: float | None = None
    base_colour: float | None = None
    blisters: bool | None = None
    shine: bool | None = None
    flour_blotches: bool | None = None
    blow_out: BlowOut | None = None
    bottom: Bottom | None = None
    openness: Openness | None = None
    holes: tuple[HolesAt, ...] = ()
    walls: Walls | None = None
    bite: Bite | None = None
    crumb_colour: CrumbColour | None = None
    sourness: int | None = None
    flavour: int | None = None
    crust: Crust | None = None
    salt: Salt | None = None
    keeps: Keeps | None = None
    liked: int | None = None
    again: bool | None = None
    note: str = ""

    @property
    def empty(self) -> bool:
        """Whether nothing was said."""
        said = (getattr(self, each.name) for each in fields(self) if each.name not in WHOSE)
        return all(value in (None, "", ()) for value in said)


@dataclass(frozen=True)
class Measured:
    """What a loaf's measures come to: ml, g/ml, height over width, and what it lost of its dough (share); None without
    what that takes."""

    volume_ml: float | None
    g_per_ml: float | None
    height_over_width: float | None
    loss: float | None


WITHIN: dict[str, Limit] = {
    "day": limits.LOAF_DAY,
    "height_mm": limits.LOAF_HEIGHT_MM,
    "width_mm": limits.LOAF_WIDTH_MM,
    "length_mm": limits.LOAF_LENGTH_MM,
    "out_g": limits.LOAF_OUT_G,
    "cut_min": limits.LOAF_CUT_MIN,
    "top_colour": limits.COLOUR,
    "base_colour": limits.COLOUR,
    "sourness": limits.SOURNESS,
    "flavour": limits.FIVE_STEPS,
    "liked": limits.FIVE_STEPS,
}


def checked(sheet: Sheet) -> Sheet:
    """The sheet, if it can be so. Raises CraftError that names the field: for a figure that no loaf has, for looks
    that exclude each other, for one in which nothing is said."""
    for name, limit in WITHIN.items():
        value = getattr(sheet, name)
        if value is not None:
            within(name, limit, value)
    for one, others in EXCLUDES.items():
        both = [each for each in others if one in sheet.holes and each in sheet.holes]
        if both:
            names = (message(f"loaf-holes-{one}"), message(f"loaf-holes-{both[0]}"))
            raise CraftError("holes", "loaf-holes-exclude", one=names[0], other=names[1])
    if len(sheet.note) > 2000:
        raise CraftError("note", "loaf-note-length")
    if sheet.empty:
        raise CraftError("sheet", "loaf-sheet-empty")
    return sheet


def measured(sheet: Sheet, shape: str, dough_g: float) -> Measured:
    """What a loaf of a shape, of so much dough (g), comes to."""
    volume = _volume_ml(sheet, shape)
    loss = None if sheet.out_g is None or not 0 < sheet.out_g <= dough_g else 1 - sheet.out_g / dough_g
    return Measured(
        volume_ml=volume,
        g_per_ml=None if volume is None or sheet.out_g is None else sheet.out_g / volume,
        height_over_width=None if not sheet.height_mm or not sheet.width_mm else sheet.height_mm / sheet.width_mm,
        loss=loss,
    )


def lengths_of(shape: str) -> tuple[str, ...]:
    """What of a loaf of a shape is measured: a round one is as long as it is wide."""
    return ("height_mm", "width_mm") if shape in ROUND else ("height_mm", "width_mm", "length_mm")


def _volume_ml(sheet: Sheet, shape: str) -> float | None:
    """Volume by the box or cylinder around the loaf, ml; a long loaf needs its length, too."""
    height, width = sheet.height_mm, sheet.width_mm
    if not height or not width:
        return None
    if shape in ROUND:
        return FULL[shape] * pi / 4 * width**2 * height / 1000
    return FULL[shape] * sheet.length_mm * width * height / 1000 if sheet.length_mm else None
