"""A course that was solved: the trunk, its parts, and what goes on beside them."""

from dataclasses import dataclass

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.baking import FilledBake
from gentle_crust.core.course.fill import FilledPath
from gentle_crust.core.course.ripen import Beside
from gentle_crust.core.course.standing import Run, baked_in
from gentle_crust.core.fermentation.engine import Leg, run
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.readings import Doubt
from gentle_crust.core.fermentation.targets import share_of_greatest
from gentle_crust.core.fermentation.uncertainty import ONE, Vigour, activities

WAIT_STEP_H = 1 / 6


@dataclass(frozen=True)
class PartCourse:
    """One part as it goes from where the trunk ends: its runs, and when it is wanted (None: as soon as can be).

    ``off_h``: how much later than wanted it leaves the oven. ``shares``: the part whose load it goes into.
    """

    path: FilledPath
    runs: tuple[Run, ...]
    wanted: float | None
    shares: str | None = None

    @property
    def baked(self) -> Run | None:
        """Its stage that bakes."""
        return baked_in(self.runs)

    @property
    def bake(self) -> FilledBake | None:
        """Its bake."""
        return None if self.baked is None else self.baked.filled.bake

    @property
    def load(self) -> float | None:
        """When its first load goes in."""
        return None if self.baked is None else self.baked.start

    @property
    def out(self) -> float:
        """When its last loaf leaves the oven; of one that is not baked, its end."""
        return (self.baked or self.runs[-1]).end

    @property
    def off_h(self) -> float:
        """How much later than it is wanted it leaves the oven, hours."""
        return 0.0 if self.wanted is None else self.out - self.wanted


def last_share(part: PartCourse, clock: Clock) -> float | None:
    """Likely share of its greatest volume with which the last of several loads would meet the oven if it waited
    in the room.

    None of a part that is one load, or that waits in the fridge.
    """
    loaded, batch = part.baked, part.path.batch
    if loaded is None or loaded.before is None or part.bake is None or part.bake.loads < 2:
        return None
    before = part.runs[: part.runs.index(loaded)]
    last = next((each.filled for each in reversed(before) if each.filled.stage.minutes is None), None)
    if last is None or last.cold:
        return None
    waits_h = (part.bake.all_min - part.bake.minutes) / 60
    steps = max(round(waits_h / WAIT_STEP_H), 2)
    air = clock.room_c(np.linspace(loaded.start, loaded.start + waits_h, steps))
    leg = Leg(waits_h, air, "banneton", batch.piece_g, batch.holds_shaped)
    rise = run(batch.makeup, loaded.before, leg, np.ones(len(loaded.before.made_ml))).rise[-1]
    return float(share_of_greatest(rise, batch.holds_shaped)[len(rise) // 2])


@dataclass(frozen=True)
class Solved:
    """A course that was solved: the trunk, its parts, and what goes on beside them.

    ``belief`` is how lively its leaven is held to be; ``doubts`` are readings of it that are hard to believe.
    """

    asked: Asked
    clock: Clock
    trunk: tuple[Run, ...]
    parts: tuple[PartCourse, ...]
    beside: tuple[Beside, ...]
    belief: Vigour
    doubts: tuple[Doubt, ...] = ()

    def factors(self, columns: int) -> Floats:
        """The activities that its doughs are carried for side by side, if in so many columns."""
        return activities(Vigour(1.0, self.belief.sigma)) if columns > 1 else ONE

    @property
    def runs(self) -> tuple[Run, ...]:
        """Every stage of the dough once, the trunk's first."""
        own = [run for part in self.parts for run in part.runs if run.filled.part or not self.trunk]
        return (*self.trunk, *own)

    @property
    def begins(self) -> float:
        """When the first hand is needed, hours from the clock's origin."""
        return min([run.start for run in self.runs] + [each.start for each in self.beside])
