"""The staged bake of a load, as a plan takes it."""

from dataclasses import dataclass, replace

import numpy as np

from gentle_crust.core.messages import Message
from gentle_crust.core.oven.staged import CoreAt
from gentle_crust.core.oven.steaming import Steaming

RYE_COOL_MIN = 24 * 60
FRIDGE_C = 5.0
SOAK_AFTER_RAKING_MIN = 30
"""A fired oven stands so long, raked out and shut, before it is loaded; what heats goes in then (practice)."""
RECOVERY_MIN = 10
"""For oven and vessel to come back to heat between two loads (practice)."""


@dataclass(frozen=True)
class BakeStage:
    """Minutes at one set point (C), covered or steaming, or open."""

    name: Message
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
