"""How far along its way a dough is, and one stage of it as it goes."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from gentle_crust.core.course.fill import Batch, Filled
from gentle_crust.core.fermentation.engine import State, Trace, rise_of
from gentle_crust.core.fermentation.targets import share_of_greatest


@dataclass(frozen=True)
class Run:
    """One stage as it goes: hours from the clock's origin, the dough as it begins and as it ends.

    ``reached``: whether what ends it came about; ``folds`` are times of folds; ``holds`` is the greatest rise that the
    dough can hold as it stands.
    """

    filled: Filled
    start: float
    end: float
    before: State | None
    after: State | None
    trace: Trace | None
    holds: float
    reached: bool = True
    folds: tuple[float, ...] = ()

    @property
    def hours(self) -> float:
        """How long it takes."""
        return self.end - self.start


@dataclass(frozen=True)
class Standing:
    """How far along its path a dough is: the dough, its grams in one piece, whether it is shaped, what time it is."""

    at: float
    state: State | None = None
    piece_g: float = 0.0
    shaped: bool = False
    baked: bool = False


NEAR_TARGET = 0.015
"""A share this near its target counts as in it."""
OWN_LENGTH_NEAR = (0.30, 0.12)
"""And so far below or above it where the baker says how long everything takes: that is what he wants (practice)."""
Ways = tuple[tuple[Filled, ...], ...]
"""What comes after a stage: one way on for each part."""
Fixed = Mapping[str, float]
"""Hours that stages take, by their id: settled by the baker, by a search or by what happened."""


def state_of(standing: Standing) -> State:
    """The dough that stands there. Raises AssertionError before it is mixed."""
    if standing.state is None:
        raise AssertionError("nothing is mixed yet")
    return standing.state


def is_solved(each: Filled) -> bool:
    """Whether a stage ends where what comes after it comes out right."""
    return each.kind == "bulk" and each.until.way in ("ready", "judged")


def ends_itself(each: Filled) -> bool:
    """Whether a stage goes on until the dough is where it should be."""
    return each.stage.minutes is None and each.until.way in ("ready", "judged", "rise", "share")


def baked_in(runs: Iterable[Run]) -> Run | None:
    """The first stage of a way that bakes; None if none does."""
    return next((run for run in runs if run.filled.bake), None)


def share_at_load(batch: Batch, runs: tuple[Run, ...]) -> float | None:
    """Likely share of its greatest volume with which a dough meets the oven; None if it is not baked."""
    loaded = baked_in(runs)
    if loaded is None or loaded.before is None:
        return None
    rise = rise_of(batch.makeup, loaded.before)
    return float(share_of_greatest(rise, batch.holds_shaped)[len(rise) // 2])


def rise_aimed_at(batch: Batch) -> float:
    """Rise at which a shaped dough has the share of its greatest volume that its proof aims at."""
    return batch.target.aim * (1 + batch.holds_shaped) - 1


def near_target(runs: tuple[Run, ...]) -> tuple[float, float]:
    """How far below and above its target a share may be at the oven: hardly, or if all lengths are the baker's, far."""
    free = any(ends_itself(run.filled) and run.filled.until.way in ("ready", "judged") for run in runs)
    return (NEAR_TARGET, NEAR_TARGET) if free else OWN_LENGTH_NEAR
