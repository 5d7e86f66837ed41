"""The dough ribbon: volume and temperature over time, levain to oven, with folds, nights and the bake."""

from datetime import UTC, date, datetime, time, timedelta

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.fermentation.engine import Trace
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.uncertainty import band
from gentle_crust.core.oven.profile import RECOVERY_MIN
from gentle_crust.core.scheduling.result import CorePoint, Night, Ribbon, RibbonBake, RibbonPart, RibbonPoint
from gentle_crust.core.scheduling.whole import Course

POINT_EVERY_H = 0.2


def draw(course: Course, clock: Clock, now: float) -> Ribbon:
    """Everything the drawing of one course needs; ``now`` in hours from the clock's origin."""
    made, times = course.recipe, course.times
    parts = [
        _part(
            each.kind,
            _titles(each.kind),
            clock,
            each.start,
            each.trace.hours,
            each.trace.rise,
            each.trace.dough_c,
            each.wanted - each.start,
            None,
        )
        for each in course.ripenings
    ]
    parts += dough_parts(course, clock)
    return Ribbon(
        parts=tuple(parts),
        bake=_bake(course, clock),
        folds=tuple(clock.at(fold) for fold in course.folds),
        nights=nights_between(clock, min(now, *(each.start for each in course.ripenings), times.mix) - 1, 1.0),
        core=tuple(
            CorePoint(clock.at(times.load + point.minutes / 60), round(point.core_c, 1)) for point in made.bake.core
        ),
        core_done_c=made.bake.core_done_c,
        greatest_rise=max(point.rise for part in parts for point in part.points),
    )


def dough_parts(course: Course, clock: Clock) -> tuple[RibbonPart, ...]:
    """The dough itself, from the bowl to the oven."""
    made, times = course.recipe, course.times
    bulk_h = times.bulk_end - times.mix
    target = course.bulk_rise
    parts = [
        _part(
            "bulk", "Bulk", clock, times.mix, course.bulk.hours, course.bulk.rise, course.bulk.dough_c, bulk_h, target
        )
    ]
    rest = course.shaped.rest
    if rest is not None:
        parts.append(_trace_part("rest", "Shaping", clock, times.bulk_end, rest, made.handling_h, None))
    goal = made.target.aim * (1 + made.holds_shaped) - 1
    parts.append(
        _trace_part("proof", "Proof", clock, times.proof_start, course.proof, times.load - times.proof_start, goal)
    )
    return tuple(parts)


def _titles(kind: str) -> str:
    return {"feed": "Culture", "levain": "Levain"}.get(kind, kind.capitalize())


def _trace_part(
    kind: str, title: str, clock: Clock, start: float, trace: Trace, until: float, target: float | None
) -> RibbonPart:
    return _part(kind, title, clock, start, trace.hours, trace.rise, trace.dough_c, until, target)


def _part(
    kind: str,
    title: str,
    clock: Clock,
    start: float,
    hours: Floats,
    rise: Floats,
    dough_c: Floats,
    until: float,
    target: float | None,
) -> RibbonPart:
    """Sample one stretch of dough from its beginning until it is used."""
    every = np.linspace(0, until, max(int(np.ceil(until / POINT_EVERY_H)), 3) + 1)
    low, high = band(rise)
    middle = rise[:, rise.shape[1] // 2]
    columns = [np.round(np.interp(every, hours, values), 4) for values in (middle, low, high)]
    warm = np.round(np.interp(every, hours, dough_c), 2)
    points = tuple(
        RibbonPoint(clock.at(start + float(at)), float(likely), float(lower), float(upper), float(c))
        for at, likely, lower, upper, c in zip(every, *columns, warm, strict=True)
    )
    return RibbonPart(kind, title, points, target)


def _bake(course: Course, clock: Clock) -> tuple[RibbonBake, ...]:
    stages = []
    for number in range(course.recipe.bake.loads):
        at = course.times.load + number * (course.recipe.bake.minutes + RECOVERY_MIN) / 60
        for stage in course.recipe.bake.stages:
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
