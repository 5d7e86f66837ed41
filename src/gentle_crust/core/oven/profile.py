"""A staged bake from vessel, shape and weight, held to what the oven can do. A rule table, not a simulation."""

from dataclasses import dataclass
from math import ceil
from typing import Literal

import numpy as np
from scipy.optimize import brentq

from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.tables import rows

OvenKind = Literal["electric", "electric_fan", "gas", "built_in_steam", "wood"]
FAN_LOWER_C = 20.0
"""A fan oven is set this much lower (practice)."""
TOO_COOL_K = 25.0
"""An oven this much below the profile bakes another bread."""
RYE_COOL_MIN = 24 * 60
RECOVERY_MIN = 10
"""For oven and vessel to come back to heat between two loads (practice)."""


@dataclass(frozen=True)
class Oven:
    """The baker's oven: its kind and the highest temperature that its dial or a thermometer shows, C."""

    kind: OvenKind = "electric"
    top_c: float = 250.0


@dataclass(frozen=True)
class Vessel:
    """One of the baker's vessels. ``kind`` is a row of the vessels table."""

    id: str
    kind: str
    name: str
    count: int = 1


@dataclass(frozen=True)
class BakeStage:
    """Minutes at one set point (C), covered or steaming, or open."""

    name: str
    minutes: int
    setpoint_c: float
    covered: bool


@dataclass(frozen=True)
class BakeProfile:
    """A whole bake of one load, and how many loads the pieces need."""

    preheat_min: int
    preheat_c: float
    stages: tuple[BakeStage, ...]
    lidded: bool
    cold_start: bool
    core_done_c: float
    cool_min: int
    loads: int
    pieces_per_load: int
    short_k: float
    """How far the oven stays below the set point that the table asks for, K."""

    @property
    def minutes(self) -> int:
        """One load, from door shut to loaf out."""
        return sum(stage.minutes for stage in self.stages)

    @property
    def all_loads_min(self) -> int:
        """From the first load to the last loaf out."""
        return self.loads * self.minutes + (self.loads - 1) * RECOVERY_MIN


def vessel_row(kind: str) -> dict[str, str]:
    """The table's row for a vessel kind; CraftError if unknown."""
    for row in rows("vessels"):
        if row["kind"] == kind:
            return row
    known = ", ".join(row["kind"] for row in rows("vessels"))
    raise CraftError("vessel", f"'{kind}' is not a vessel I know.", f"Choose one of {known}.")


def shape_row(shape: str) -> dict[str, str]:
    """The table's row for a shape; CraftError if unknown."""
    for row in rows("shapes"):
        if row["shape"] == shape:
            return row
    known = ", ".join(row["shape"] for row in rows("shapes"))
    raise CraftError("shape", f"'{shape}' is not a shape I know.", f"Choose one of {known}.")


def fits(vessel: Vessel, shape: str, piece_g: float) -> str:
    """Why this loaf does not fit this vessel, in a sentence; empty if it does."""
    row = vessel_row(vessel.kind)
    if piece_g > float(row["contains_g"]):
        return (
            f"A piece of {{{piece_g:.0f}|g}} is more than the {vessel.name.lower()} holds ({{{row['contains_g']}|g}})."
        )
    if row["lidded"] == "1" and shape in ("baguette", "roll", "flat_round", "slipper"):
        return f"A {shape_row(shape)['name']} has no room under the lid of the {vessel.name.lower()}."
    if shape == "pan_loaf" and vessel.kind != "tin":
        return "A tin loaf needs a tin to hold it up."
    if vessel.kind == "tin" and shape != "pan_loaf":
        return f"A {shape_row(shape)['name']} is not baked in a tin."
    return ""


def profile(vessel: Vessel, oven: Oven, shape: str, piece_g: float, pieces: int, rye: float, cold: bool) -> BakeProfile:
    """The staged bake for ``pieces`` of ``piece_g`` dough in ``vessel``; ``rye`` is rye's share of the flour.

    Times grow with the two-thirds power of the piece's weight (heat has a radius to cross); dough from
    the fridge takes 4 min longer. Set points are cut to what the oven reaches, and time added for it.
    """
    within("scaling_weight_g", "Scaling weight", piece_g, 30, 5000, " g")
    within("oven.top_c", "The oven's top temperature", oven.top_c, 150, 500, " C")
    row, form = vessel_row(vessel.kind), shape_row(shape)
    fan = FAN_LOWER_C if oven.kind == "electric_fan" else 0.0
    wanted = float(row["covered_c"]) + float(form["setpoint_shift_c"]) - fan
    first_c = min(wanted, oven.top_c)
    second_c = min(float(row["open_c"]) + float(form["setpoint_shift_c"]) - fan, first_c)
    short = max(wanted - oven.top_c, 0.0)
    scale = (piece_g / float(form["reference_g"])) ** (2 / 3) * float(form["time_factor"]) * (1 + 0.004 * short)
    covered = max(round(float(row["covered_min"]) * scale + (2 if cold else 0)), 5)
    opened = max(round(float(row["open_min"]) * scale * (1.25 if rye >= 0.5 else 1) + (2 if cold else 0)), 4)
    lidded = row["lidded"] == "1"
    per_load = min(pieces, max(vessel.count, 1) * int(row["holds_pieces"]))
    return BakeProfile(
        preheat_min=int(row["preheat_min"]),
        preheat_c=first_c,
        stages=(
            BakeStage("lid on" if lidded else "steam", covered, round(first_c), True),
            BakeStage("lid off" if lidded else "dry", opened, round(second_c), False),
        ),
        lidded=lidded,
        cold_start=int(row["preheat_min"]) == 0,
        core_done_c=float(form["core_done_c"]) + (1 if rye >= 0.5 else 0),
        cool_min=RYE_COOL_MIN if rye >= 0.5 else int(form["cool_min"]),
        loads=ceil(pieces / per_load),
        pieces_per_load=per_load,
        short_k=short,
    )


def core_course(bake: BakeProfile, dough_c: float, points: int = 25) -> tuple[tuple[float, float], ...]:
    """Minutes and core temperature (C) of one load: the course of a ball's middle, pinned to done at the end.

    Only the shape is physics (conduction into a sphere, Carslaw and Jaeger 1959, from memory, unverified);
    the bake's length is the table's.
    """
    boiling = 99.0
    left = (boiling - bake.core_done_c) / (boiling - dough_c)
    terms = np.arange(1, 40)
    signs = 2 * (-1.0) ** (terms + 1)

    def remaining(fourier: float) -> float:
        return float(min(signs @ np.exp(-(terms**2) * np.pi**2 * fourier), 1.0)) if fourier > 1e-4 else 1.0

    end = float(brentq(lambda fourier: remaining(fourier) - left, 1e-3, 2.0))
    minutes = np.linspace(0, bake.minutes, points)
    return tuple(
        (float(at), boiling - (boiling - dough_c) * remaining(end * float(at) / bake.minutes)) for at in minutes
    )
