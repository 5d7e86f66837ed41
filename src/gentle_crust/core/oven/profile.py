"""The staged bake of a load, as a plan takes it."""

from dataclasses import dataclass, replace
from functools import lru_cache
from math import ceil

import numpy as np

from gentle_crust.core import limits
from gentle_crust.core.errors import within
from gentle_crust.core.oven.equipment import Oven, Vessel, shape_row, vessel_row
from gentle_crust.core.oven.loaf import OVER_NIGHT_H, PROOFED_C, Loaf
from gentle_crust.core.oven.staged import CoreAt, Want, draft
from gentle_crust.core.oven.steaming import Steaming, steaming

RYE_COOL_MIN = 24 * 60
FRIDGE_C = 5.0
RECOVERY_MIN = 10
"""For oven and vessel to come back to heat between two loads (practice)."""


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
    core: tuple[CoreAt, ...] = ()
    """How the core warms."""
    last: str = "core"
    """Which sign of done comes last: core, colour or loss."""
    steam: tuple[Steaming, ...] = ()
    """What goes in and comes out to make steam, minutes from the first loading."""

    def steaming(self, load: int) -> tuple[Steaming, ...]:
        """The same for a load by its number: before a later one, what heats goes in as the oven comes back to heat."""
        if load == 1:
            return self.steam
        return tuple(replace(each, minute=max(each.minute, -RECOVERY_MIN)) for each in self.steam)

    @property
    def touch_min(self) -> int:
        """When the oven is first opened: to uncover, to let steam out, or to look and turn the loaf."""
        return self.stages[0].minutes if len(self.stages) > 1 else round(0.65 * self.minutes)

    @property
    def minutes(self) -> int:
        """One load, from door shut to loaf out."""
        return sum(stage.minutes for stage in self.stages)

    def still_min(self, core_c: float) -> float:
        """Minutes until a loaf with this core is done, by the bake that was simulated; 0 if it is."""
        if not self.core or core_c >= self.core_done_c:
            return 0.0
        minutes, warmth = [point.minutes for point in self.core], [point.core_c for point in self.core]
        here, there = np.interp([core_c, min(self.core_done_c, warmth[-1])], warmth, minutes)
        return float(max(there - here, 1.0))

    @property
    def all_loads_min(self) -> int:
        """From the first load to the last loaf out."""
        return self.loads * self.minutes + (self.loads - 1) * RECOVERY_MIN


@lru_cache(maxsize=512)
def profile(
    vessel: Vessel,
    oven: Oven,
    shape: str,
    piece_g: float,
    pieces: int,
    rye: float,
    cold: bool,
    hydration: float = 0.72,
    altitude_m: float = 0.0,
    sugar: float = 0.0,
    steam: tuple[str, ...] = (),
) -> BakeProfile:
    """The staged bake for ``pieces`` of ``piece_g`` dough in ``vessel``, simulated until it is done.

    ``rye`` is rye's share of the flour, ``cold`` whether it comes from the fridge, ``steam`` the baker's means. Set
    points are cut to what the oven reaches.
    """
    within("scaling_weight_g", limits.SCALING_WEIGHT_G, piece_g)
    within("oven.top_c", limits.OVEN_TOP_C, oven.top_c)
    vessel_row(vessel.kind)
    form = shape_row(shape)
    loaf = Loaf(
        max(round(piece_g / 5) * 5, 30),
        min(max(hydration, 0.45), 1.2),
        FRIDGE_C if cold else PROOFED_C,
        shape,
        1,
        min(sugar, 0.4),
        cold_hours=OVER_NIGHT_H if cold else 0.0,
    )
    made = draft(loaf, pieces, vessel, oven, Want(rye=rye >= 0.5, steam=steam), altitude_m)
    lidded = vessel_row(vessel.kind)["lidded"] == "1"
    bake = made.bake
    return BakeProfile(
        preheat_min=round(bake.preheat.minutes),
        preheat_c=bake.preheat.setpoint_c,
        stages=tuple(
            BakeStage(
                ("lid on" if lidded else "steam") if stage.covered else ("lid off" if lidded else "dry"),
                round(stage.minutes),
                round(stage.setpoint_c),
                stage.covered,
            )
            for stage in bake.stages
        ),
        lidded=lidded,
        cold_start=made.cold_start,
        core_done_c=made.done.core_c,
        cool_min=RYE_COOL_MIN if rye >= 0.5 else int(form["cool_min"]),
        loads=ceil(pieces / made.per_load),
        pieces_per_load=made.per_load,
        short_k=made.short_k,
        core=made.core,
        last=made.done.last,
        steam=steaming(bake.steam, round(bake.preheat.minutes), bake.vent_min, bake.minutes),
    )
