"""A style's method with what a baker wants otherwise: its vessel, its folds, longer in the cold, pieces for later."""

from collections.abc import Callable
from dataclasses import dataclass, replace

from gentle_crust.core.course.method import (
    Baking,
    HeatStage,
    Method,
    Part,
    Place,
    Series,
    Stage,
    Until,
    is_cold,
    numbered,
)
from gentle_crust.core.oven.equipment import Vessel, vessel_row

Change = Callable[[Stage], Stage]
NOW, LATER = "first", "later"
"""Names of the parts of a batch that is split."""
DAY_MIN = 24 * 60.0
LEAST_COLD_MIN = 12 * 60.0
FRIDGE = Place("fridge")
USUAL_HEAT_C, USUAL_BAKE_MIN, UNDER_LID = 230.0, 42.0, 0.5
"""A bake of which no more is known: its heat, its minutes, and the part of them under a lid (practice)."""


@dataclass(frozen=True)
class Tailoring:
    """What a baker wants otherwise than a style has it: its vessel, sets of folds so far apart, days more in the cold,
    and of ``pieces`` some baked so many days later."""

    vessel: Vessel | None = None
    folds: int | None = None
    every_min: float = 30.0
    more_days: int = 0
    later: int = 0
    later_days: int = 1


PLAIN = Tailoring()


def tailored(method: Method, wanted: Tailoring, pieces: int) -> Method:
    """The method with what is wanted otherwise."""
    method = numbered(method)
    if wanted.folds is not None:
        method = folded(method, wanted.folds, wanted.every_min)
    method = longer_cold(method, wanted.more_days)
    if wanted.vessel is not None:
        method = baked_in_vessel(method, wanted.vessel)
    return numbered(split(method, pieces, wanted.later, wanted.later_days))


def each_stage(method: Method, change: Change) -> Method:
    """The method with every stage changed."""
    return method.changed(lambda stages: tuple(change(stage) for stage in stages))


def baked_in_vessel(method: Method, vessel: Vessel) -> Method:
    """Every bake that names no vessel, in this one."""

    def changed(stage: Stage) -> Stage:
        baking = stage.baking or Baking()
        if stage.kind != "bake" or baking.vessel is not None:
            return stage
        return replace(stage, baking=replace(baking, vessel=vessel))

    return each_stage(method, changed)


def with_bake(method: Method, baking: Baking) -> Method:
    """Every part baked so."""
    return each_stage(method, lambda stage: replace(stage, baking=baking) if stage.kind == "bake" else stage)


def bulk_until(method: Method, until: Until) -> Method:
    """The method with its first bulk in the room ended otherwise."""
    first = _first_warm_bulk(method)
    return each_stage(method, lambda stage: replace(stage, until=until) if stage is first else stage)


def baked_at(method: Method, setpoint_c: float | None, minutes: float | None) -> Method:
    """Every part baked at one heat (C) for so many minutes, half of them under the lid if there is one; without either
    figure the usual one. What else the method says of its bake stays."""
    heat, lasts = setpoint_c or USUAL_HEAT_C, minutes or USUAL_BAKE_MIN

    def changed(stage: Stage) -> Stage:
        if stage.kind != "bake":
            return stage
        baking = stage.baking or Baking()
        lidded = baking.vessel is not None and vessel_row(baking.vessel.kind)["lidded"] == "1"
        covered = round(lasts * UNDER_LID) if lidded else 0
        heats = (HeatStage(covered, heat, covered=True), HeatStage(lasts - covered, heat))
        return replace(stage, baking=replace(baking, stages=heats if lidded else heats[1:]))

    return each_stage(method, changed)


def bakes_in(method: Method) -> tuple[Vessel, ...]:
    """What a method itself says that it is baked in, each vessel once."""
    bakes = (stage.baking for _, path in method.paths for stage in path if stage.kind == "bake")
    return tuple(dict.fromkeys(each.vessel for each in bakes if each is not None and each.vessel is not None))


def longer_cold(method: Method, days: int) -> Method:
    """The last hold in the fridge of every way so many days longer."""
    if not days:
        return method
    ids = {found.id for _, path in method.paths if (found := _cold_hold(path)) is not None}

    def changed(stage: Stage) -> Stage:
        return _longer(stage, days) if stage.id in ids else stage

    return each_stage(method, changed)


def _longer(stage: Stage, days: int) -> Stage:
    until = stage.until or Until("span")
    low, high = until.minutes
    more = days * DAY_MIN
    return replace(stage, until=replace(until, minutes=(low + more, max(high, low) + more)))


def _cold_hold(stages: tuple[Stage, ...]) -> Stage | None:
    """The last stage of a way that waits in the fridge for as long as suits."""
    return next((stage for stage in reversed(stages) if is_cold(stage) and stage.until and stage.until.hold), None)


def _first_warm_bulk(method: Method) -> Stage | None:
    """The first bulk in the room of any way."""
    stages = (stage for _, path in method.paths for stage in path)
    return next((stage for stage in stages if stage.kind == "bulk" and not is_cold(stage)), None)


def folded(method: Method, count: int, every_min: float) -> Method:
    """The first bulk in the room folded so many times, ``every_min`` apart."""
    first = _first_warm_bulk(method)
    series = (Series("stretch", count, every_min, (every_min, every_min)),) if count else ()

    def changed(stage: Stage) -> Stage:
        return replace(stage, folds=series) if first is not None and stage.id == first.id else stage

    return each_stage(method, changed)


def split(method: Method, pieces: int, later: int, days: int) -> Method:
    """A method without parts in two once its dough is shaped: some of its pieces are baked so many days later.

    What goes on in the fridge goes on there so much longer; what was to proof in the room is first kept cold.
    """
    if not later or method.parts or not method.stages:
        return method
    at = shaped_at(method.stages)
    first, rest = method.stages[:at], method.stages[at:]
    return Method(first, (Part(NOW, pieces - later, rest), Part(LATER, later, later_part(rest, days))))


def later_part(rest: tuple[Stage, ...], days: int) -> tuple[Stage, ...]:
    """The same stages so many days later, in the cold: what is cold already goes on there, else it is first kept."""
    own = tuple(replace(stage, id="") for stage in rest)
    if _cold_hold(rest) is None:
        hold = Until("span", minutes=(LEAST_COLD_MIN, days * DAY_MIN + LEAST_COLD_MIN))
        return (Stage("keep", place=FRIDGE, until=hold), *own)
    cold = next(stage for stage in own if is_cold(stage) and stage.until and stage.until.hold)
    return tuple(_longer(stage, days) if stage is cold else stage for stage in own)


def shaped_at(stages: tuple[Stage, ...]) -> int:
    """After which stages the pieces may part: shaping, else dividing, else mixing."""
    kinds = [stage.kind for stage in stages]
    last = next(kind for kind in ("shape", "divide", "mix") if kind in kinds)
    return len(kinds) - kinds[::-1].index(last)
