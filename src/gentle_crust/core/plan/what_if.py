"""What if: the same clock in a colder kitchen, with a weaker leaven, or with everything mixed an hour late."""

from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np

from gentle_crust.core.course.fill import Batch
from gentle_crust.core.course.laying import Laying
from gentle_crust.core.course.places import Ground
from gentle_crust.core.course.plan import CoursePlan
from gentle_crust.core.course.solved import Solved
from gentle_crust.core.course.standing import Run, Standing, share_at_load
from gentle_crust.core.course.waiting import Waiting
from gentle_crust.core.fermentation.crossing import first_crossing
from gentle_crust.core.messages import Message, message
from gentle_crust.core.plan.milestones import milestones, rise_at_end, way_of
from gentle_crust.core.plan.ribbon import dough_parts
from gentle_crust.core.plan.shown import RibbonPart

COLDER_K = 3.0
WEAKER = 0.8
LATE_H = 1.0
LEAST_H = 0.05
WITHIN = 0.015
FURTHER, MORE_H = 2.0, 6.0
"""A bulk is followed so many times its length, and so much longer, until it is where it should be."""


@dataclass(frozen=True)
class WhatIf:
    """One shade over the plan: what differs, what comes of it by the clock, and what to do."""

    code: str
    title: Message
    sentence: Message
    share: float
    parts: tuple[RibbonPart, ...]


def what_if(made: CoursePlan) -> tuple[WhatIf, ...]:
    """Three shades of a plan's first part; its times stay as they are, but for what is an hour late."""
    return (
        _shade("colder", message("shown-shade-colder", k=COLDER_K), made.solved, _colder),
        _shade("weaker", message("shown-shade-weaker"), made.solved, _weaker),
        _shade("late", message("shown-shade-late"), made.solved, None),
    )


def _colder(search: Laying) -> None:
    room = search.clock.room
    colder = replace(room, day_c=room.day_c - COLDER_K, night_c=room.night_c - COLDER_K)
    search.clock = replace(search.clock, room=colder)
    search.ground = replace(search.ground, clock=search.clock)


def _weaker(search: Laying) -> None:
    def weak(batch: Batch) -> Batch:
        return replace(batch, makeup=replace(batch.makeup, liveliness=WEAKER * batch.makeup.liveliness))

    search.batches = [weak(batch) for batch in search.batches]


def _shade(code: str, title: Message, solved: Solved, change: Callable[[Laying], None] | None) -> WhatIf:
    times, way = milestones(solved), way_of(solved)
    search = Laying(solved.asked)
    search.ripe_for(times.mix)
    start, lengths = way[0].start, {run.filled.id: run.hours for run in way}
    if change is None:
        start += LATE_H
        if times.bulk is not None:
            id_ = times.bulk.filled.id
            lengths[id_] = max(lengths[id_] - LATE_H, LEAST_H)
    else:
        change(search)
    search.laid = {}
    laid = search.lay(start, lengths)
    runs = (*laid.trunk, *laid.parts[0])
    batch = search.batches[0]
    share = share_at_load(batch, runs) or 0.0
    said = _said(solved, search.ground, batch, runs, share)
    return WhatIf(code, title, said, share, dough_parts(runs, batch, search.clock))


def _said(solved: Solved, ground: Ground, batch: Batch, runs: tuple[Run, ...], share: float) -> Message:
    target, times = batch.target, milestones(solved)
    met, low, high = round(100 * share), round(100 * target.low), round(100 * target.high)
    planned = share_at_load(batch, way_of(solved)) or 0.0
    beyond = max(target.low - planned, planned - target.high, 0.0)
    if target.low - beyond - WITHIN <= share <= target.high + beyond + WITHIN or times.bulk is None:
        return message("shown-shade-well", share=met, low=low, high=high)
    at = _there(ground, batch, runs, times.bulk)
    if at is None:
        return message("shown-shade-never", share=met, low=low, high=high)
    goes, instead = solved.clock.at(at), solved.clock.at(times.bulk_end)
    return message("shown-shade-longer", goes=goes, instead=instead, share=met, low=low, high=high)


def _there(ground: Ground, batch: Batch, runs: tuple[Run, ...], bulk: Run) -> float | None:
    """When the planned rise of bulk is reached; None if it would not be."""
    run = next(each for each in runs if each.filled.id == bulk.filled.id)
    if run.before is None:
        return None
    here = Standing(run.start, run.before, batch.dough_g)
    waits = Waiting(ground, batch, run.filled, here, run.before, run.holds)
    trace = waits.run(FURTHER * bulk.hours + MORE_H, tuple(fold - run.start for fold in run.folds))
    found = first_crossing(trace.hours, trace.rise[:, 0], rise_at_end(bulk))
    return None if np.isnan(found) else run.start + found
