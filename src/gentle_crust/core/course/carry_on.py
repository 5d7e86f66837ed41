"""The rest of a course under way, carried on from what is known of it."""

from dataclasses import dataclass, replace
from datetime import datetime

import numpy as np

from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.fill import Filled
from gentle_crust.core.course.laying import BEGINS_LATER, MOST_ROUNDS, NEAR_H, Laid, Laying, all_holds, held
from gentle_crust.core.course.outcome import as_told
from gentle_crust.core.course.solve import solve
from gentle_crust.core.course.solved import Solved
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.readings import RISES, Reading, ReadingKind, check, grid, update

SOON_AFTER_H = 0.75
"""A temperature that is read so near the mixing is the one that the dough left the bowl with."""


@dataclass(frozen=True)
class Carried:
    """What is known of a course under way: when stages ended, and until when others are to be held, by their ids."""

    ends: dict[str, datetime]
    holds: dict[str, datetime]
    readings: "tuple[Read, ...]" = ()


@dataclass(frozen=True)
class Read:
    """What was read of a dough in its bulk: when, by what way, and its rise (fraction of its gas-free volume).

    ``dough_c``: what a thermometer in it showed, C, which counts soon after mixing.
    """

    at: datetime
    kind: ReadingKind
    value: float
    sure: bool = False


def carry_on(asked: Asked, known: Carried) -> Solved:
    """The rest of a course, carried on from what is known of it as of ``asked.now``.

    What was done took as long as it took; what is running has not ended yet; holds to come are moved so that each
    part meets its time. Without anything known, the course of the least cost.
    """
    if not known.ends:
        return solve(asked)
    search = Laying(_as_warm_as_read(asked, known))
    ends = {id_: search.clock.hours(at) for id_, at in known.ends.items()}
    start, fixed = _as_it_was(search, ends)
    search.ripe_for(start)
    _as_lively_as_read(search, start, fixed, known)
    until = {id_: search.clock.hours(at) for id_, at in known.holds.items()}
    holds = {each.id: sum(each.until.minutes) / 120 for each in all_holds(search) if each.id not in fixed}
    laid = search.lay(start, {**holds, **fixed})
    for _ in range(MOST_ROUNDS):
        fixed |= _not_over_yet(search, start, laid, ends, until)
        holds, moved = _held_to(search, laid, {k: v for k, v in holds.items() if k not in fixed})
        laid = search.lay(start, {**holds, **fixed})
        if moved < NEAR_H:
            break
    return as_told(search, start, {**holds, **fixed}, laid, ends)


def _as_warm_as_read(asked: Asked, known: Carried) -> Asked:
    """The question with the dough as warm as a thermometer showed soon after it was mixed."""
    mixed = [at for id_, at in known.ends.items() if _kind_of(asked, id_) == "mix"]
    soon = [
        each.value
        for each in known.readings
        if each.kind == "dough_c" and mixed and abs((each.at - min(mixed)).total_seconds()) < 3600 * SOON_AFTER_H
    ]
    return replace(asked, dough_c=soon[-1]) if soon else asked


def _kind_of(asked: Asked, id_: str) -> str:
    return next((stage.kind for _, path in asked.method.paths for stage in path if stage.id == id_), "")


def _as_it_was(search: Laying, ends: dict[str, float]) -> tuple[float, dict[str, float]]:
    """When the dough was begun, and the hours of all that is done; of parts apart, how much later each began."""
    fixed: dict[str, float] = {}
    begins: dict[str, float] = {}
    for batch, tail in zip(search.batches, search.tails, strict=True):
        before: float | None = None
        for each in (*search.trunk, *tail):
            if each.id not in ends:
                break
            if before is None:
                before = begins[batch.name] = ends[each.id] - _own_h(each)
            fixed[each.id] = max(ends[each.id] - before, 0.0)
            before = ends[each.id]
    start = min(begins.values())
    if not search.trunk:
        fixed |= {f"{BEGINS_LATER} {name}": at - start for name, at in begins.items()}
    return start, fixed


def _own_h(each: Filled) -> float:
    """How long the first stage of a dough took, if only its end is known: what it usually takes."""
    return each.work_min / 60 if each.stage.minutes is not None else sum(each.until.minutes) / 120


def _not_over_yet(
    search: Laying, start: float, laid: Laid, ends: dict[str, float], until: dict[str, float]
) -> dict[str, float]:
    """Hours of what is running, which has not ended before now; of what is to be held until a time; and how much
    later a part begins that has not begun."""
    found: dict[str, float] = {}
    for batch, part in zip(search.batches, laid.parts, strict=True):
        own = [run for run in (*laid.trunk, *part) if run.filled.id not in ends]
        if len(own) == len(part) and not laid.trunk and own[0].start < 0:
            found[f"{BEGINS_LATER} {batch.name}"] = -start
            continue
        for place, run in enumerate(own):
            if run.filled.id in until:
                found[run.filled.id] = max(max(until[run.filled.id], 0.0) - run.start, 0.0)
            elif place == 0 and run.end < 0 and run.filled.bake is None:
                found[run.filled.id] = -run.start
    return found


def _held_to(search: Laying, laid: Laid, holds: dict[str, float]) -> tuple[dict[str, float], float]:
    """Holds to come, the trunk's and each part's, moved by what the parts would be early or late."""
    moved = 0.0
    outs = laid.outs()
    late = [0.0 if at is None else out - at for out, at in zip(outs, search.wanted, strict=True)]
    changed = dict(holds)
    own = [each for each in held(search.trunk) if each.id in holds]
    if own and late:
        moved = max(moved, _share_out(changed, own, min(late, key=abs)))
        late = [each - min(late, key=abs) for each in late]
    for tail, each_late in zip(search.tails, late, strict=True):
        able = [each for each in held(tail) if each.id in holds]
        if able:
            moved = max(moved, _share_out(changed, able, each_late))
    return changed, moved


def _share_out(holds: dict[str, float], able: list[Filled], late_h: float) -> float:
    """Holds made shorter by what is late (longer by what is early), one after the other; what they moved, h."""
    left, moved = late_h, 0.0
    for each in able:
        low, high = (end / 60 for end in each.until.minutes)
        new = min(max(holds[each.id] - left, low), high)
        moved = max(moved, abs(new - holds[each.id]))
        left -= holds[each.id] - new
        holds[each.id] = new
    return moved


def _as_lively_as_read(search: Laying, start: float, fixed: dict[str, float], known: Carried) -> None:
    """The dough's leaven believed as lively as what was read of its rise tells."""
    mixed = next((run for run in search.lay(start, fixed).trunk if run.filled.kind == "mix"), None)
    rises = [each for each in known.readings if each.kind in RISES]
    if mixed is None or not rises:
        return
    prior = search.asked.belief
    told = tuple(Reading(search.clock.hours(each.at) - mixed.start, each.kind, each.value, each.sure) for each in rises)
    for index, each in enumerate(told):
        check(each, f"readings.{index}")
    lengths = {run.filled.id: run.hours for run in search.lay(start, fixed).trunk}
    wide = search.lay(start, {**lengths, **fixed}, grid(prior))

    def rise_at(hours: float) -> Floats:
        at = mixed.start + hours
        run = next((run for run in reversed(wide.trunk) if run.trace is not None and run.start <= at), wide.trunk[-1])
        if run.trace is None:
            return np.zeros(len(grid(prior)))
        rise: Floats = np.array([np.interp(at - run.start, run.trace.hours, column) for column in run.trace.rise.T])
        return rise

    search.belief = update(told, rise_at, prior)
    lively = search.belief.likely
    search.batches = [
        replace(batch, makeup=replace(batch.makeup, liveliness=batch.makeup.liveliness * lively))
        for batch in search.batches
    ]
    search.laid = {}
