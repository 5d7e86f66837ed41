"""A course under way as its baker changes it by hand: what an edit makes of its method, and what it says of its stages.

An edit of a stage that is not there any more changes nothing: the edit that put it in was taken back.
"""

from collections.abc import Callable, Iterable
from dataclasses import replace

from gentle_crust.core.bench.edit import Edit, hand_id
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.method import (
    BESIDE,
    WAITING,
    WORK,
    Baking,
    Method,
    Part,
    Place,
    Stage,
    Until,
    is_cold,
)
from gentle_crust.core.course.progress import Press
from gentle_crust.core.course.tailored import LATER, NOW, each_stage

FRIDGE, ROOM = Place("fridge"), Place("room")
LEAST_LEFT_MIN = 5.0
"""What was to go on for so long still has this left when it comes out of the fridge (practice)."""
STRAIGHT_MIN = 6 * 60.0
"""Shaped loaves that were in the fridge for so long are baked from there (practice)."""
WARMS_MIN = 60.0
"""So long a dough that is not shaped stands in the room once it is out of the fridge (practice)."""
LEAST_KEPT_MIN, LONGEST_COLD_MIN = 60.0, 7 * 24 * 60.0
"""Pieces for later are kept in the fridge between so long."""
GOES_ON_COLD = ("bulk", "proof", "keep")
Change = Callable[[Asked, Edit, Stage], Asked]


def by_hand(asked: Asked, edits: Iterable[Edit]) -> Asked:
    """What is asked of a course after ``edits``, in the order in which they were made. Its stages have their ids."""
    for edit in edits:
        change, stage = CHANGES.get(edit.code), asked.method.stage(edit.stage)
        if change is not None and stage is not None:
            asked = change(asked, edit, stage)
        elif edit.code == "vessel":
            asked = _in_vessel(asked, edit)
        elif edit.code == "weighed" and edit.dough_g:
            asked = replace(asked, scaling_weight_g=edit.dough_g / asked.pieces)
    return asked


def presses_of_edits(edits: Iterable[Edit], method: Method) -> list[Press]:
    """What edits say of the stages of the method that they made: which of them ended then, and which began."""
    found = []
    for edit in edits:
        press = _press(edit, method)
        if press is not None and method.stage(press.stage) is not None:
            found.append(press)
    return found


def _press(edit: Edit, method: Method) -> Press | None:
    if edit.code == "end" or (edit.code == "split" and method.stage(hand_id(edit.number, REST)) is not None):
        return Press("done", edit.stage, edit.at)
    if edit.code == "fridge":
        return Press("begun", hand_id(edit.number, 0), edit.at)
    if edit.code == "take_out":
        after = _next(method, edit.stage)
        return None if after is None else Press("begun", after.id, edit.at)
    return None


def begun_by(edits: Iterable[Edit], method: Method) -> dict[str, Edit]:
    """Edits by the id of the stage that each of them began: its dough was put there as it was pressed."""
    pairs = ((_press(edit, method), edit) for edit in edits)
    return {press.stage: edit for press, edit in pairs if press is not None and press.kind == "begun"}


# -- what each of them makes of a method --------------------------------------------------------------------------


def _after(asked: Asked, id_: str, *more: Stage) -> Asked:
    """The question with stages put in after another."""

    def with_more(stages: tuple[Stage, ...]) -> tuple[Stage, ...]:
        found: list[Stage] = []
        for each in stages:
            found += [each, *more] if each.id == id_ else [each]
        return tuple(found)

    return replace(asked, method=asked.method.changed(with_more))


def _into_fridge(asked: Asked, edit: Edit, stage: Stage) -> Asked:
    """The fridge until a time, and after it what the stage had left; shaped loaves of a night go straight to the oven.

    They shrink as they cool, and come to their size again in the oven, not in the hours that they take to warm.
    """
    if edit.until is None:
        return asked
    minutes = max((edit.until - edit.at).total_seconds() / 60, LEAST_LEFT_MIN)
    kind = stage.kind if stage.kind in GOES_ON_COLD else "keep"
    cold = Stage(kind, hand_id(edit.number, 0), place=FRIDGE, container=stage.container, until=_exactly(minutes))
    if minutes >= STRAIGHT_MIN and _is_shaped(asked.method, stage.id):
        return _after(asked, stage.id, cold)
    return _after(asked, stage.id, cold, _rest_of(stage, hand_id(edit.number, 1), edit.minutes or 0.0))


def _rest_of(stage: Stage, id_: str, ran_min: float) -> Stage:
    """What is left of a stage that ran for so long; folds that were not made by then are not made any more."""
    until = stage.until
    if until is not None and until.way == "span":
        low, high = (max(end - ran_min, LEAST_LEFT_MIN) for end in until.minutes)
        until = replace(until, minutes=(low, high))
    return replace(stage, id=id_, until=until, folds=() if stage.kind == "bulk" else None)


def _out_of_fridge(asked: Asked, edit: Edit, stage: Stage) -> Asked:
    """What comes next in the room, if it waits there; else the dough warms up, or a shaped one goes on until ready."""
    after = _next(asked.method, stage.id)
    if after is not None and after.kind in WAITING and after.kind != "cool" and not is_cold(after):
        return asked
    if _is_shaped(asked.method, stage.id):
        more = Stage("proof", hand_id(edit.number, 0), place=ROOM, until=Until("ready"))
    else:
        more = Stage("warm_up", hand_id(edit.number, 0), place=ROOM, until=_exactly(edit.minutes or WARMS_MIN))
    return _after(asked, stage.id, more)


def _extra(asked: Asked, edit: Edit, stage: Stage) -> Asked:
    """One stage more after the one that the dough is in."""
    minutes = edit.minutes
    more = Stage(edit.kind, hand_id(edit.number, 0))
    if minutes is not None and edit.kind in WORK:
        more = replace(more, minutes=(minutes, minutes))
    elif minutes is not None:
        more = replace(more, until=_exactly(minutes), place=ROOM)
    return _after(asked, stage.id, more)


REST, COPIES = 40, 50
"""Places, among an edit's stages, of the rest of a stage that is cut, and of the copies that a second part has."""


def _split(asked: Asked, edit: Edit, stage: Stage) -> Asked:
    """Some pieces kept in the fridge for later: from their shaping on, or from now if that is over."""
    method = asked.method
    if method.parts or edit.pieces is None or not 0 < edit.pieces < asked.pieces:
        return asked
    ids = [each.id for each in method.stages]
    here = ids.index(stage.id)
    ahead = [i for i in range(here, len(ids)) if method.stages[i].kind == "shape"] or [
        i for i in range(here, len(ids)) if method.stages[i].kind == "divide"
    ]
    at = (ahead[-1] if ahead else here) + 1
    trunk, rest = method.stages[:at], method.stages[at:]
    if not ahead and stage.kind in WAITING:
        rest = (_rest_of(stage, hand_id(edit.number, REST), edit.minutes or 0.0), *rest)
    kept = tuple(replace(each, id=hand_id(edit.number, COPIES + place)) for place, each in enumerate(rest))
    parts = (
        Part(NOW, asked.pieces - edit.pieces, rest),
        Part(LATER, edit.pieces, _held_cold(kept, hand_id(edit.number, 0))),
    )
    ready = (*((NOW, at) for _, at in asked.ready[:1]), *(() if edit.until is None else ((LATER, edit.until),)))
    return replace(asked, method=Method(trunk, parts), ready=ready)


def _held_cold(stages: tuple[Stage, ...], id_: str) -> tuple[Stage, ...]:
    """Stages kept in the fridge for as long as it takes: where they go through it anyhow, else before all others."""
    long = Until("span", minutes=(LEAST_KEPT_MIN, LONGEST_COLD_MIN))
    cold = next((place for place, each in enumerate(stages) if is_cold(each)), None)
    if cold is None:
        return (Stage("keep", id_, place=FRIDGE, until=long), *stages)
    return tuple(replace(each, until=long) if place == cold else each for place, each in enumerate(stages))


def _in_vessel(asked: Asked, edit: Edit) -> Asked:
    """Every bake in another vessel of the kitchen, filled anew for it; what is wanted of the loaf stays."""
    vessel = next((each for each in asked.kitchen.vessels if each.id == edit.vessel), None)
    if vessel is None:
        return asked

    def changed(stage: Stage) -> Stage:
        if stage.kind != "bake":
            return stage
        was = stage.baking or Baking()
        return replace(stage, baking=Baking(vessel=vessel, core_c=was.core_c, colour=was.colour, loss=was.loss))

    return replace(asked, method=each_stage(asked.method, changed))


def _as_it_is(asked: Asked, edit: Edit, stage: Stage) -> Asked:
    return asked


CHANGES: dict[str, Change] = {
    "fridge": _into_fridge, "take_out": _out_of_fridge, "end": _as_it_is, "stage": _extra, "split": _split,
}  # fmt: skip


def _exactly(minutes: float) -> Until:
    return Until("span", minutes=(minutes, minutes))


def _next(method: Method, id_: str) -> Stage | None:
    """The stage that follows another on the first way that has it."""
    for _, path in method.paths:
        own = [stage for stage in path if stage.kind not in BESIDE]
        ids = [stage.id for stage in own]
        if id_ in ids[:-1]:
            return own[ids.index(id_) + 1]
    return None


def _is_shaped(method: Method, id_: str) -> bool:
    """Whether a dough is in the pieces that are baked as it goes through a stage."""
    path = next(path for _, path in method.paths if any(stage.id == id_ for stage in path))
    kinds = [stage.kind for stage in path]
    before = kinds[: [stage.id for stage in path].index(id_)]
    return ("shape" if "shape" in kinds else "divide") in before
