"""What a baker may change of a method: which stages may be added, what each kind states, how each may end."""

from dataclasses import dataclass
from typing import Any

from gentle_crust.core.course.method import BESIDE, KINDS, WORK, Method
from gentle_crust.core.course.written import ONCE

STAYS = (*BESIDE, "mix", "bake")
"""Stages that no dough of the formula is made without."""
COMES_ONCE = (*ONCE, "shape")
BEGINS: dict[str, dict[str, Any]] = {
    "keep": {"place": "fridge", "until": {"hours": [12, 36]}},
    "rest": {"until": {"minutes": 20}},
    "warm_up": {"until": {"minutes": 60}},
    "fold": {"fold": "stretch"},
    "finish": {"with": "seeds"},
}
"""What a stage that is added begins with (practice); the rest is filled."""
STEP_MIN = 5
SOONER_H, LATER_H = 4, 6
"""A hold that is begun may be so much shorter and longer than the stage is now (practice)."""
USUAL_RISE, USUAL_C, USUAL_MIN = 0.5, 20.0, 60.0
"""What a stage is taken to be like that was not carried forward yet."""


@dataclass(frozen=True)
class StageKind:
    """What a baker may do with a stage of one kind.

    ``takes``: what may be stated of it. ``ends``: how it may end, as it would be written. ``begins``: what one that is
    added begins with; None where no more may come. ``stays``: it may not be taken out; ``moves``: nor up and down.
    """

    kind: str
    takes: tuple[str, ...]
    ends: dict[str, Any]
    begins: dict[str, Any] | None
    stays: bool
    moves: bool


def stage_kinds(method: Method) -> tuple[StageKind, ...]:
    """All kinds of stages, as they may be changed in a method and added to it."""
    has = {stage.kind for _, path in method.paths for stage in path}
    return tuple(
        StageKind(
            kind=kind,
            takes=takes(kind),
            ends=could_end(kind, USUAL_MIN, USUAL_RISE, USUAL_C),
            begins=None if kind in BESIDE or (kind in COMES_ONCE and kind in has) else BEGINS.get(kind, {}),
            stays=kind in STAYS,
            moves=kind not in BESIDE,
        )
        for kind in KINDS
    )


def takes(kind: str) -> tuple[str, ...]:
    """What a baker may state of a stage, as the method names it."""
    if kind in WORK:
        own = {"mix": ("by", "order", "late"), "knead": ("by",), "finish": ("with",)}
        return ("minutes", *own.get(kind, ()))
    if kind in BESIDE:
        return ("until", "place")
    if kind in ("bake", "cool"):
        return ()
    return ("until", "place", "container", "folds") if kind == "bulk" else ("until", "place", "container")


def could_end(kind: str, minutes: float, rise: float, dough_c: float) -> dict[str, Any]:
    """Ways in which a stage may end, each as it would be written for one that takes ``minutes`` now.

    ``rise`` (fraction) and ``dough_c`` (C) are those at its end.
    """
    if "until" not in takes(kind):
        return {}
    hours = max(round(minutes / 60), 1)
    spans: dict[str, Any] = {
        "minutes": {"minutes": max(round(minutes / STEP_MIN) * STEP_MIN, STEP_MIN)},
        "hours": {"hours": [max(hours - SOONER_H, 1), hours + LATER_H]},
    }
    if kind in BESIDE:
        return {"ripe": "ripe", **spans, "at": {"at": "07:00"}}
    return {
        "ready": "ready",
        "rise": {"rise": round(20 * max(rise, 0.1)) / 20},
        **spans,
        "dough_c": {"dough_c": round(dough_c)},
        "at": {"at": "07:00"},
        "judged": "judged",
    }
