"""The moments of a course that everything else hangs on: mixing, the end of bulk, shaping, the fridge, the oven."""

from dataclasses import dataclass

import numpy as np

from gentle_crust.core.course.fill import Batch
from gentle_crust.core.course.places import Ground
from gentle_crust.core.course.solved import Solved
from gentle_crust.core.course.standing import Run, Standing, baked_in
from gentle_crust.core.course.waiting import Waiting
from gentle_crust.core.fermentation.crossing import crossings
from gentle_crust.core.fermentation.targets import share_of_greatest
from gentle_crust.core.fermentation.uncertainty import Span, span

AT_THE_BENCH = ("divide", "preshape", "bench_rest", "shape")
BEYOND = 1.6
MORE_H = 2.0
"""A stage is followed so many times its length, and so much longer, to see when a weaker leaven would be there."""


@dataclass(frozen=True)
class Milestones:
    """Moments of the dough's way to the oven, hours from the clock's origin; ``bulk`` is its last stage before it is
    divided, ``proof`` its last one of waiting before it is loaded, ``baked`` the stage in the oven."""

    mix: float
    bulk_end: float
    proof_start: float
    chill: float
    load: float
    bulk: Run | None
    proof: Run | None
    baked: Run | None


def way_of(solved: Solved) -> tuple[Run, ...]:
    """The stages of the first part, from the first to the last."""
    return (*solved.trunk, *solved.parts[0].runs)


def milestones(solved: Solved) -> Milestones:
    """The moments of a course's first part."""
    runs = way_of(solved)
    baked = baked_in(runs)
    load = runs[-1].end if baked is None else baked.start
    mixed = next(run for run in runs if run.filled.kind == "mix")
    before = tuple(run for run in runs if mixed.start <= run.start and run.end <= load + 1e-6 and run is not baked)
    handled = [run for run in before if run.filled.kind in AT_THE_BENCH]
    bulk_end = handled[0].start if handled else load
    bulks = [run for run in before if run.filled.kind == "bulk" and run.end <= bulk_end + 1e-6]
    shaped = [run for run in handled if run.filled.kind in ("shape", "divide")]
    proof_start = shaped[-1].end if shaped else bulk_end
    waits = [run for run in before if run.start >= proof_start - 1e-6 and run.trace is not None and _waits(run)]
    cold = [run.start for run in waits if run.filled.cold]
    return Milestones(
        mix=mixed.start,
        bulk_end=bulk_end,
        proof_start=proof_start,
        chill=cold[0] if cold else proof_start,
        load=load,
        bulk=bulks[-1] if bulks else None,
        proof=waits[-1] if waits else None,
        baked=baked,
    )


def _waits(run: Run) -> bool:
    return run.filled.stage.minutes is None and run.hours > 1e-4


def rise_at_end(run: Run | None) -> float:
    """Rise of the likely dough as a stage ends; nought without one."""
    if run is None or run.trace is None:
        return 0.0
    return float(run.trace.rise[-1, run.trace.rise.shape[1] // 2])


def when_there(solved: Solved, run: Run | None, batch: Batch) -> Span | None:
    """When a dough reaches what it has as a stage of waiting likely ends, by how lively its leaven is.

    None of a stage that waits in the cold, whose length is what it is.
    """
    if run is None or run.before is None or run.trace is None or run.filled.cold:
        return None
    columns = len(run.before.made_ml)
    shaped = run.filled.kind == "proof"
    here = Standing(run.start, run.before, batch.piece_g if shaped else batch.dough_g, shaped)
    sigma = solved.belief.sigma if columns > 1 else 0.0
    ground = Ground(solved.asked.kitchen, solved.clock, solved.asked.dough_c, solved.factors(columns), sigma)
    waits = Waiting(ground, batch, run.filled, here, run.before, run.holds)
    trace = waits.run(BEYOND * run.hours + MORE_H, tuple(fold - run.start for fold in run.folds))
    rise = rise_at_end(run)
    if shaped:
        values = share_of_greatest(trace.rise, run.holds)
        aim = float(share_of_greatest(np.array([rise]), run.holds)[0])
        return _around(span(run.start + crossings(trace.hours, values, aim)), run.end)
    return _around(span(run.start + crossings(trace.hours, trace.rise, rise)), run.end)


def _around(found: Span, end: float) -> Span:
    """A span around the time that was planned."""
    low = end if found.low is None else min(found.low, end)
    return Span(low, end, None if found.high is None else max(found.high, end))
