"""What is told of a slice that was measured on a photo: as data."""

from dataclasses import dataclass
from typing import Literal

WhyNot = Literal["", "dark", "flat", "blurred", "small", "no_slice", "oblique"]


@dataclass(frozen=True)
class Line:
    """A dense line, mm from the base."""

    from_mm: float
    to_mm: float


@dataclass(frozen=True)
class Quality:
    """Whether a picture can be read, and why not: dark, flat, blurred, oblique, small, no_slice; empty if it can."""

    usable: bool
    why: WhyNot


@dataclass(frozen=True)
class CrumbRead:
    """What was measured of a slice.

    ``holes_fraction`` and ``cells_per_cm2`` are over the whole slice, crust included; ``mean_cell_mm2`` of a hole;
    ``largest_mm`` an equivalent diameter; ``evenness`` 1 less Gini's index of the areas, None below ten holes;
    ``top_to_bottom`` each band's own share of holes inside the crust, top first.
    """

    holes_fraction: float
    cells_per_cm2: float
    mean_cell_mm2: float
    largest_mm: float
    evenness: float | None
    top_to_bottom: tuple[float, ...]
    dense_line: Line | None
    quality: Quality


FEW_PER_CM2, HUGE_MM2 = 0.2, 100.0
"""So few holes, and so large ones, no crumb has: they are shadows and colours of a crust (practice)."""


def unlike_crumb(read: CrumbRead) -> bool:
    """Whether what was measured is hardly a crumb: holes so few and so large are rather a loaf that is not cut.

    Parameters
    ----------
    read : what was measured

    Returns
    -------
    True where its baker should look whether the photo shows a slice.
    """
    return 0 < read.cells_per_cm2 < FEW_PER_CM2 and read.mean_cell_mm2 > HUGE_MM2


@dataclass(frozen=True)
class SliceKept:
    """A slice's figures as they were kept: the slice's own width in mm, and how far its baker moved the threshold."""

    width_mm: float
    shift: float
    read: CrumbRead
