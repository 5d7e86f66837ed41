"""A dough as it stands in bowl, box, basket or tin, seen from the side: lines in mm, up from the vessel's floor."""

from dataclasses import dataclass
from math import pi
from typing import Literal

import numpy as np

Container = Literal["bowl", "box", "basket", "tin"]
Edge = Literal["firm", "level", "domed", "sunken"]
Point = tuple[float, ...]
STEEP: dict[Container, tuple[float, float]] = {
    "bowl": (1.9, 1.6), "box": (1.0, 1.9), "basket": (1.45, 0.95), "tin": (1.12, 1.5),
}  # fmt: skip
"""Radius at the rim over that of the floor, and height over the floor's radius (practice)."""
ROOM = 1.12
"""How much more a vessel holds than the dough at its greatest."""
BULGE: dict[Edge, float] = {"firm": 0.035, "level": 0.0, "domed": 0.13, "sunken": -0.12}
"""By how much the middle stands above the edge, as a share of the half width (practice)."""
STEPS = 24


@dataclass(frozen=True)
class StandingDough:
    """What is drawn: the vessel's wall, the dough, and the line at which it stood without gas; half widths and heights.

    ``bubbles``: across, up and radius, mm.
    """

    wall: tuple[Point, ...]
    dough: tuple[Point, ...]
    began: tuple[Point, ...]
    bubbles: tuple[Point, ...]


@dataclass(frozen=True)
class Vessel:
    """A vessel of round floor, its wall straight from floor to rim: half widths and height, mm."""

    floor: float
    rim: float
    high: float

    def half_width(self, height: float) -> float:
        """Half its width at a height, mm."""
        return self.floor + (self.rim - self.floor) * height / self.high

    def ml(self, height: float) -> float:
        """What it holds up to a height, ml."""
        here = self.half_width(height)
        return pi * height / 3 * (self.floor**2 + self.floor * here + here**2) / 1000

    def height_of(self, ml: float) -> float:
        """How high so much stands in it, mm."""
        heights = np.linspace(0, 1.6 * self.high, 400)
        return float(np.interp(ml, [self.ml(each) for each in heights], heights))


def vessel_for(container: Container, most_ml: float) -> Vessel:
    """A vessel of that kind that holds a dough at its greatest.

    Parameters
    ----------
    container : bowl (flared), box (straight), basket or tin
    most_ml : the dough at its greatest, ml

    Returns
    -------
    The vessel.
    """
    rim, high = STEEP[container]
    unit = Vessel(1.0, rim, high)
    floor = (ROOM * most_ml / unit.ml(high)) ** (1 / 3)
    return Vessel(floor, rim * floor, high * floor)


def standing(vessel: Vessel, gas_free_ml: float, rise: float, edge: Edge, bubbles: str, seed: int) -> StandingDough:
    """A dough that has risen so far, as its edge and bubbles show it.

    Parameters
    ----------
    vessel : what it stands in
    gas_free_ml : the dough without gas, ml
    rise : growth over that, a fraction
    edge : how it meets the wall
    bubbles : none, some or large
    seed : where its bubbles stand

    Returns
    -------
    Lines, mm; the dough's volume is the one that is drawn, whatever its surface.
    """
    ml = gas_free_ml * (1 + rise)
    level = vessel.height_of(ml)
    half = vessel.half_width(level)
    bulge = BULGE[edge] * half
    # A paraboloid holds half of the cylinder around it: the edge stands so much lower than a level surface.
    side = level - bulge / 2
    across = np.linspace(-1, 1, STEPS + 1)
    wide = vessel.half_width(side)
    surface = [(float(x * wide), float(side + bulge * (1 - x**2))) for x in across]
    dough = ((-vessel.floor, 0.0), *surface, (vessel.floor, 0.0))
    first = vessel.height_of(gas_free_ml)
    at_first = vessel.half_width(first)
    wall = ((-vessel.rim, vessel.high), (-vessel.floor, 0.0), (vessel.floor, 0.0), (vessel.rim, vessel.high))
    return StandingDough(
        _rounded(wall), _rounded(dough), _rounded(((-at_first, first), (at_first, first))),
        _bubbles(vessel, side, bubbles, seed),
    )  # fmt: skip


HOW_MANY = {"none": 0, "some": 14, "large": 26}
HOW_LARGE = {"none": 0.0, "some": 0.02, "large": 0.045}


def _bubbles(vessel: Vessel, level: float, bubbles: str, seed: int) -> tuple[Point, ...]:
    rng = np.random.default_rng([seed, 5])
    found = []
    for _ in range(HOW_MANY[bubbles]):
        radius = HOW_LARGE[bubbles] * vessel.rim * float(rng.uniform(0.5, 1.3))
        up = float(rng.uniform(0.15, 1.0)) * level - 1.6 * radius
        if up <= radius:
            continue
        room = vessel.half_width(up) - 1.5 * radius
        found.append((round(float(rng.uniform(-room, room)), 1), round(up, 1), round(radius, 1)))
    return tuple(found)


def _rounded(points: tuple[Point, ...]) -> tuple[Point, ...]:
    return tuple(tuple(round(each, 1) for each in point) for point in points)
