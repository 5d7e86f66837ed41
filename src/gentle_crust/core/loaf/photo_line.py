"""A line over a photo: it spans something whose length is known, and so gives the photo its scale."""

from dataclasses import dataclass
from math import hypot

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, within

SHORTEST = 0.04
"""A line over less of the photo, across and down, is shorter than a hand sets its ends apart (practice)."""


@dataclass(frozen=True)
class PhotoLine:
    """A line from one end to the other, and the length of what it spans, mm.

    Ends are shares of the photo: ``x`` of its width from the left, ``y`` of its height from the top, 0-1.
    """

    from_x: float
    from_y: float
    to_x: float
    to_y: float
    mm: float


def checked(line: PhotoLine) -> PhotoLine:
    """The line, if it can be so. Raises CraftError that names the field: for an end outside the photo, for a length
    that no loaf has, for a line that is too short to measure by."""
    for name in ("from_x", "from_y", "to_x", "to_y"):
        within(name, limits.PHOTO_SHARE, getattr(line, name))
    within("mm", limits.PHOTO_LINE_MM, line.mm)
    if max(abs(line.to_x - line.from_x), abs(line.to_y - line.from_y)) < SHORTEST:
        raise CraftError("to_x", "photo-line-too-short")
    return line


def photo_width_mm(line: PhotoLine, width: int, height: int) -> float:
    """How many mm the whole width of a photo of ``width`` x ``height`` px shows, where the line is."""
    return line.mm / hypot(line.to_x - line.from_x, (line.to_y - line.from_y) * height / width)
