"""The dough ribbon: volume and temperature over time, levain to oven, with folds, nights and the bake."""

from dataclasses import dataclass, replace
from datetime import UTC, date, datetime, time, timedelta
from functools import reduce

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.fill import Batch
from gentle_crust.core.course.solved import Solved
from gentle_crust.core.course.standing import Run, rise_aimed_at
from gentle_crust.core.fermentation.engine import joined
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.uncertainty import band
from gentle_crust.core.messages import Message, message
from gentle_crust.core.oven.profile import RECOVERY_MIN, BakeProfile
from gentle_crust.core.plan.milestones import Milestones, rise_at_end, way_of
from gentle_crust.core.plan.shown import CorePoint, Night, Ribbon, RibbonBake, RibbonPart, RibbonPoint
from gentle_crust.core.plan.weigh_list import part_title

POINT_EVERY_H = 0.2
LONG_H, LONG_POINTS = 24.0, 120
"""A stretch longer than this is drawn with so many points."""
BENCH = ("divide", "preshape", "bench_rest", "shape", "finish", "score")
STIRRED = ("mix", "knead", "fold", "autolyse")
DRAWN_OF_DOUGH = ("bulk", "rest", "shaping", "proof", "keep", "warm_up")


@dataclass(frozen=True)
class Stretch:
    """Stages of a dough that are drawn as one: what they are called, and how they go one after the other."""

    kind: str
    runs: tuple[Run, ...]


def draw(solved: Solved, times: Milestones, bake: BakeProfile, now: float) -> Ribbon:
    """Everything the drawing of a course's first part needs; ``now`` in hours from the clock's origin."""
    clock = solved.clock
    parts = [
        _part(
            each.ripening.kind, part_title(each.ripening.kind), clock, each.start, each.ripening.trace.hours,
            each.ripening.trace.rise, each.ripening.trace.dough_c, each.wanted - each.start, None,
        )
        for each in solved.beside if each.ripening is not None
    ]  # fmt: skip
    parts += dough_parts(way_of(solved), solved.parts[0].path.batch, clock)
    folds = [fold for run in way_of(solved) for fold in run.folds]
    folds += [run.start for run in way_of(solved) if run.filled.kind == "fold"]
    return Ribbon(
        parts=tuple(parts),
        bake=_bake(times, bake, clock) if times.baked is not None else (),
        folds=tuple(clock.at(fold) for fold in sorted(folds)),
        nights=nights_between(clock, min(now, solved.begins) - 1, _last(solved, times)),
        core=tuple(CorePoint(clock.at(times.load + p.minutes / 60), round(p.core_c, 1)) for p in bake.core),
        core_done_c=bake.core_done_c,
        greatest_rise=max((point.rise for part in parts for point in part.points), default=0.0),
    )


def _last(solved: Solved, times: Milestones) -> float:
    """Up to when nights are drawn: the loading of the first part, or the last loaf out of several."""
    return times.load + 1.0 if len(solved.parts) < 2 else max(part.out for part in solved.parts)


def dough_parts(runs: tuple[Run, ...], batch: Batch, clock: Clock) -> tuple[RibbonPart, ...]:
    """The dough itself, from the bowl to the oven."""
    found = []
    for each in stretches(runs):
        traces = [run.trace for run in each.runs if run.trace is not None]
        whole = reduce(joined, traces)
        target = None
        if each.kind == "bulk" and each.runs[-1].filled.kind == "bulk" and not each.runs[-1].filled.cold:
            target = rise_at_end(each.runs[-1])
        if each.kind == "proof":
            target = rise_aimed_at(batch)
        title = message(f"shown-part-{each.kind}")
        start, hours = each.runs[0].start, float(whole.hours[-1])
        found.append(_part(each.kind, title, clock, start, whole.hours, whole.rise, whole.dough_c, hours, target))
    return tuple(found)


def stretches(runs: tuple[Run, ...]) -> tuple[Stretch, ...]:
    """Stages of a dough as they are drawn: what is stirred with the bulk that follows, what is shaped as one."""
    found: list[Stretch] = []
    for run in runs:
        if run.trace is None or run.hours < 1e-4:
            continue
        kind = _drawn_as(run)
        last = found[-1] if found else None
        joins = last is not None and (
            (kind == last.kind and kind in ("bulk", "shaping"))
            or (last.kind == "stirred" and kind in ("bulk", "stirred"))
        )
        if last is not None and joins:
            found[-1] = Stretch(kind, (*last.runs, run))
        else:
            found.append(Stretch(kind, (run,)))
    return tuple(replace(each, kind="bulk") if each.kind == "stirred" else each for each in found)


def _drawn_as(run: Run) -> str:
    kind = run.filled.kind
    if kind in STIRRED:
        return "stirred"
    if kind in BENCH:
        return "shaping"
    return kind if kind in DRAWN_OF_DOUGH else "rest"


def _part(
    kind: str,
    title: Message,
    clock: Clock,
    start: float,
    hours: Floats,
    rise: Floats,
    dough_c: Floats,
    until: float,
    target: float | None,
) -> RibbonPart:
    """Sample one stretch of dough from its beginning until it is used."""
    points_h = until / POINT_EVERY_H if until < LONG_H else LONG_POINTS
    every = np.linspace(0, until, max(int(np.ceil(points_h)), 3) + 1)
    low, high = band(rise)
    middle = rise[:, rise.shape[1] // 2]
    columns = [np.round(np.interp(every, hours, values), 4) for values in (middle, low, high)]
    warm = np.round(np.interp(every, hours, dough_c), 2)
    points = tuple(
        RibbonPoint(clock.at(start + float(at)), float(likely), float(lower), float(upper), float(c))
        for at, likely, lower, upper, c in zip(every, *columns, warm, strict=True)
    )
    return RibbonPart(kind, title, points, target)


def _bake(times: Milestones, bake: BakeProfile, clock: Clock) -> tuple[RibbonBake, ...]:
    stages = []
    for number in range(bake.loads):
        at = times.load + number * (bake.minutes + RECOVERY_MIN) / 60
        for stage in bake.stages:
            end = at + stage.minutes / 60
            stages.append(RibbonBake(clock.at(at), clock.at(end), stage.name, stage.setpoint_c, stage.covered))
            at = end
    return tuple(stages)


def nights_between(clock: Clock, start: float, end: float) -> tuple[Night, ...]:
    """Nights that touch start..end, by the kitchen's wall clock."""
    found: list[Night] = []
    day = clock.at(start).astimezone(clock.zone).date() - timedelta(days=1)
    while True:
        bed = _on(clock, day, clock.nights.start_h)
        up = bed + clock.nights.length_h
        if bed > end:
            return tuple(found)
        if up > start and clock.nights.length_h > 0:
            found.append(Night(clock.at(bed), clock.at(up)))
        day += timedelta(days=1)


def _on(clock: Clock, day: date, hour: float) -> float:
    """A wall-clock hour of a day, in hours from the clock's origin."""
    local = datetime.combine(day, time(), tzinfo=clock.zone) + timedelta(hours=hour)
    return clock.hours(local.astimezone(UTC))
