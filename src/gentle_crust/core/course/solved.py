"""A course that was solved: the trunk, its parts, and what goes on beside them."""

from dataclasses import dataclass

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.baking import FilledBake
from gentle_crust.core.course.fill import FilledPath
from gentle_crust.core.course.ripen import Beside
from gentle_crust.core.course.standing import Run


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
    def bake(self) -> FilledBake | None:
        """Its bake."""
        return next((run.filled.bake for run in self.runs if run.filled.bake), None)

    @property
    def load(self) -> float | None:
        """When its first load goes in."""
        return next((run.start for run in self.runs if run.filled.bake), None)

    @property
    def out(self) -> float:
        """When its last loaf leaves the oven; of one that is not baked, its end."""
        return next((run.end for run in self.runs if run.filled.bake), self.runs[-1].end)

    @property
    def off_h(self) -> float:
        """How much later than it is wanted it leaves the oven, hours."""
        return 0.0 if self.wanted is None else self.out - self.wanted


@dataclass(frozen=True)
class Solved:
    """A course that was solved: the trunk, its parts, and what goes on beside them."""

    asked: Asked
    clock: Clock
    trunk: tuple[Run, ...]
    parts: tuple[PartCourse, ...]
    beside: tuple[Beside, ...]

    @property
    def runs(self) -> tuple[Run, ...]:
        """Every stage of the dough once, the trunk's first."""
        own = [run for part in self.parts for run in part.runs if run.filled.part or not self.trunk]
        return (*self.trunk, *own)

    @property
    def begins(self) -> float:
        """When the first hand is needed, hours from the clock's origin."""
        return min([run.start for run in self.runs] + [each.start for each in self.beside])
