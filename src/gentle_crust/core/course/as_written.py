"""A method as it is written down: what it leaves out is left out."""

from dataclasses import asdict
from typing import Any

from gentle_crust.core.course.kit_written import AS_MANY, oven_of
from gentle_crust.core.course.method import (
    Baking,
    Method,
    Place,
    Span,
    Stage,
    Until,
)
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.oven.kit import Fired


def as_written(method: Method) -> dict[str, Any]:
    """A method as it is written down: what it leaves out is left out."""
    written: dict[str, Any] = {"stages": [_stage_as_written(stage) for stage in method.stages]}
    if method.parts:
        written["parts"] = [
            {"name": part.name, "pieces": part.pieces, "stages": [_stage_as_written(stage) for stage in part.stages]}
            for part in method.parts
        ]
    return written


def _stage_as_written(stage: Stage) -> dict[str, Any]:
    written: dict[str, Any] = {"kind": stage.kind}
    if stage.id and stage.id != stage.kind:
        written["id"] = stage.id
    if stage.by:
        written["by"] = stage.by
    if stage.minutes is not None:
        written["minutes"] = _number_or_span(stage.minutes)
    if stage.place is not None:
        written |= _place_as_written(stage.place)
    for name in ("container", "covered", "which", "count"):
        if getattr(stage, name) is not None:
            written[name] = getattr(stage, name)
    if stage.how is not None:
        written["fold" if stage.kind == "fold" else "with"] = stage.how
    if stage.until is not None:
        written["until"] = _until_as_written(stage.until)
    if stage.folds is not None:
        written["folds"] = [
            {"kind": s.kind, "count": s.count, "first_min": s.first_min, "gap_min": _number_or_span(s.gap_min)}
            for s in stage.folds
        ]
    if stage.order:
        written["order"] = list(stage.order)
    if stage.late is not None:
        written["late"] = list(stage.late)
    if stage.baking is not None:
        written |= _baking_as_written(stage.baking)
    return written


def _place_as_written(place: Place) -> dict[str, Any]:
    if place.path:
        return {"path": [{"hours": hours, "ambient_c": ambient} for hours, ambient in place.path]}
    shelf = {} if place.shelf == "middle" else {"shelf": place.shelf}
    return {"place": place.name, **shelf}


def _number_or_span(span: Span) -> float | list[float]:
    return span[0] if span[0] == span[1] else list(span)


def _until_as_written(until: Until) -> Any:
    if until.way in ("ready", "ripe", "judged"):
        return until.way
    if until.way == "at":
        return {"at": f"{int(until.value):02d}:{round(until.value % 1 * 60):02d}"}
    if until.way != "span":
        return {until.way: until.value}
    low, high = until.minutes
    if low == high and high < 120:
        return {"minutes": low}
    return {"hours": [low / 60, high / 60]} if high >= 120 else {"minutes": [low, high]}


def _oven_as_written(oven: Oven, fired: Fired | None) -> Any:
    """Its kind alone, if no more is known of it."""
    usual, _ = oven_of(oven.kind)
    more = {key: value for key, value in asdict(oven).items() if value != getattr(usual, key)}
    more |= {} if fired is None else {"fired": asdict(fired)}
    return {"kind": oven.kind, **more} if more else oven.kind


def _vessel_as_written(vessel: Vessel) -> Any:
    """Its kind alone, if no more is known of it."""
    usual = Vessel(vessel.kind, vessel.kind, "", AS_MANY)
    more = {key: value for key, value in asdict(vessel).items() if value != getattr(usual, key)}
    return {"kind": vessel.kind, **more} if more else vessel.kind


def _baking_as_written(baking: Baking) -> dict[str, Any]:
    written: dict[str, Any] = {}
    if baking.oven is not None:
        written["oven"] = _oven_as_written(baking.oven, baking.fired)
    if baking.vessel is not None:
        written["vessel"] = _vessel_as_written(baking.vessel)
    if baking.heated is not None:
        written["heated"] = baking.heated
    if baking.preheat_min is not None:
        written["preheat_min"] = baking.preheat_min
    if baking.steam is not None:
        written["steam"] = [{"kind": s.kind, "g": s.g, "at_min": s.at_min} for s in baking.steam]
    if baking.stages is not None:
        written["stages"] = [asdict(each) for each in baking.stages]
    done = {"core_c": baking.core_c, "colour": baking.colour, "loss_fraction": baking.loss}
    if any(value is not None for value in done.values()):
        written["done"] = {key: value for key, value in done.items() if value is not None}
    return written
