"""A course that was laid out, told for every activity of its leaven, its parts put into the oven."""

from collections.abc import Iterable
from dataclasses import replace

from gentle_crust.core.course.baking import sharing
from gentle_crust.core.course.laying import Laid, Laying
from gentle_crust.core.course.ripen import beside
from gentle_crust.core.course.solved import PartCourse, Solved
from gentle_crust.core.course.standing import Run
from gentle_crust.core.fermentation.uncertainty import Vigour, activities
from gentle_crust.core.oven.profile import RECOVERY_MIN

ONE_LOAD_H = 0.25
"""Parts that would go in so near one another go in together."""


def as_told(search: Laying, start: float, holds: dict[str, float], laid: Laid, settled: Iterable[str] = ()) -> Solved:
    """A course that was laid out, with every activity of its leaven side by side."""
    lengths = {run.filled.id: run.hours for runs in (laid.trunk, *laid.parts) for run in runs}
    reached = {run.filled.id: run.reached for runs in (laid.trunk, *laid.parts) for run in runs}
    factors = activities(Vigour(1.0, search.belief.sigma))
    wide = search.lay(start, {**lengths, **holds}, factors, search.belief.sigma)

    def kept(runs: tuple[Run, ...]) -> tuple[Run, ...]:
        return tuple(replace(run, reached=reached[run.filled.id]) for run in runs)

    parts = tuple(
        PartCourse(replace(path, batch=batch), kept(runs) if search.asked.method.parts else kept(wide.trunk), wanted)
        for path, batch, runs, wanted in zip(search.paths, search.batches, wide.parts, search.wanted, strict=True)
    )
    trunk = kept(wide.trunk) if search.asked.method.parts else ()
    parts = _loaded(parts, frozenset(settled))
    found = beside(search.asked, search.paths[0], search.clock, _leaven_at(trunk, parts), 0.0, factors)
    return Solved(search.asked, search.clock, trunk, parts, found, search.belief)


def _leaven_at(trunk: tuple[Run, ...], parts: tuple[PartCourse, ...]) -> float:
    """When what ripens is wanted: at the first mixing."""
    return min(
        run.start for runs in (trunk, *(part.runs for part in parts)) for run in runs if run.filled.kind == "mix"
    )


def _loaded(parts: tuple[PartCourse, ...], settled: frozenset[str]) -> tuple[PartCourse, ...]:
    """Parts that are in the oven at once share a load if they agree; else they go in one after the other.

    ``settled`` are ids of stages that have happened: when they did is not changed any more.
    """
    order = sorted(range(len(parts)), key=lambda i: parts[i].load or 0.0)
    found = {order[0]: parts[order[0]]}
    for place in order[1:]:
        part = parts[place]
        happened = any(run.filled.bake and run.filled.id in settled for run in part.runs)
        for other in () if happened else tuple(found.values()):
            load, its = part.load, other.load
            if load is None or its is None or part.bake is None or other.bake is None:
                continue
            if sharing(other.bake, part.bake) is not None and abs(load - its) < ONE_LOAD_H:
                # Of a course under way nothing that was done, or is still going on, is moved back.
                later = max(its - load, 0.0) if settled else its - load
                part = replace(_moved(part, later, settled), shares=other.path.name)
                break
            if its <= load < other.out:
                part = _moved(part, other.out + RECOVERY_MIN / 60 - load, settled)
        found[place] = part
    return tuple(found[i] for i in range(len(parts)))


def _moved(part: PartCourse, by_h: float, settled: frozenset[str]) -> PartCourse:
    """A part whose bake, and what comes after it, is later by so much: what waits before it waits as much longer."""
    runs = list(part.runs)
    at = next(i for i, run in enumerate(runs) if run.filled.bake)
    for i in range(at, len(runs)):
        runs[i] = replace(runs[i], start=runs[i].start + by_h, end=runs[i].end + by_h)
    if at and runs[at - 1].filled.id not in settled:
        runs[at - 1] = replace(runs[at - 1], end=max(runs[at].start, runs[at - 1].start))
    return replace(part, runs=tuple(runs))
