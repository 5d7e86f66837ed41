"""A bake once more with one thing changed: from what a diagnosis proposes to what a plan is asked for."""

from collections.abc import Callable
from dataclasses import dataclass, replace

from gentle_crust.contract.asked import Asked
from gentle_crust.core.course.as_written import as_written
from gentle_crust.core.course.fill import fill
from gentle_crust.core.course.method import Baking, HeatStage, Method, Stage, Until, is_cold
from gentle_crust.core.course.tailored import bulk_until, each_stage
from gentle_crust.core.diagnosis.change import NextChange
from gentle_crust.core.errors import CraftError, NotFound
from gentle_crust.core.messages import Message
from gentle_crust.kitchen.again import again
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.why import why
from gentle_crust.kitchen.work import Work

Reshape = Callable[[Method, float], Method]


@dataclass(frozen=True)
class NextTime:
    """What a plan is asked for, what of it was taken from what was done, and whether the formula is to be changed."""

    asked: Asked
    takes: tuple[Message, ...]
    change: NextChange
    in_formula: bool


def next_time(work: Work, key: str, part: str = "", more: tuple[str, ...] = ()) -> NextTime:
    """The bake once more with the one change that its diagnosis proposes. NotFound if it proposes none."""
    found = why(work, key, part, more)
    if found.diagnosis is None or found.diagnosis.change is None:
        raise NotFound("id", "diagnosis-no-change")
    before, change = again(work, key), found.diagnosis.change
    return NextTime(_asked(work, before.asked, change), before.takes, change, found.in_formula)


def _asked(work: Work, asked: Asked, change: NextChange) -> Asked:
    """The question with its change; what no plan can carry out is left to its baker's mind."""
    to = change.to
    if change.what == "dough_c":
        return replace(asked, dough_c=float(to))
    if change.what == "leaven_past_peak_h" or change.what == "leaven_vigour":
        return replace(asked, culture="lively")
    if change.what not in RESHAPES:
        return asked
    try:
        question = PlanBook(work).ask(asked)
        stages = fill(question)[0].bake
        method = question.method
        if stages is not None and change.what in OF_THE_BAKE:
            method = _with_stages(method, stages.stages)
        method = RESHAPES[change.what](method, float(to))
    except CraftError:
        return asked
    return replace(asked, style=None, method=as_written(method), later_pieces=0, fridge_days=0, folds=None)


OF_THE_BAKE = ("set_c", "steam_min")


def _with_stages(method: Method, stages: tuple[HeatStage, ...]) -> Method:
    """The method with the stages of its bake written out, where it leaves them to the program."""

    def written(stage: Stage) -> Stage:
        baking = stage.baking or Baking()
        if stage.kind != "bake" or baking.stages is not None:
            return stage
        return replace(stage, baking=replace(baking, stages=stages))

    return each_stage(method, written)


def _baking(method: Method, change: Callable[[Baking], Baking]) -> Method:
    return each_stage(
        method, lambda stage: replace(stage, baking=change(stage.baking or Baking())) if stage.kind == "bake" else stage
    )


def _bulk(method: Method, rise: float) -> Method:
    return bulk_until(method, Until("rise", rise))


def _proof(method: Method, share: float) -> Method:
    """The last proof in the room until that share; one in the fridge is left to be judged."""

    def changed(stage: Stage) -> Stage:
        return replace(stage, until=Until("share", share)) if stage.kind == "proof" and not is_cold(stage) else stage

    return each_stage(method, changed)


def _folds(method: Method, sets: float) -> Method:
    """So many sets of folds where there were fewer."""

    def changed(stage: Stage) -> Stage:
        if not stage.folds:
            return stage
        return replace(stage, folds=(replace(stage.folds[0], count=round(sets)), *stage.folds[1:]))

    return each_stage(method, changed)


def _dial(method: Method, set_c: float) -> Method:
    """Every stage of the bake as much hotter or cooler as its first one."""

    def changed(baking: Baking) -> Baking:
        if not baking.stages:
            return baking
        by = set_c - baking.stages[0].setpoint_c
        stages = tuple(
            replace(each, setpoint_c=each.setpoint_c + by) if each.setpoint_c else each for each in baking.stages
        )
        return replace(baking, stages=stages)

    return _baking(method, changed)


def _steam(method: Method, minutes: float) -> Method:
    """Its first stage, covered or steaming, so many minutes; the rest of the bake takes up the difference."""

    def changed(baking: Baking) -> Baking:
        if not baking.stages or len(baking.stages) < 2:
            return baking
        first, second = baking.stages[:2]
        rest = max(first.minutes + second.minutes - minutes, 1.0)
        stages = (replace(first, minutes=minutes), replace(second, minutes=rest), *baking.stages[2:])
        return replace(baking, stages=stages)

    return _baking(method, changed)


def _preheat(method: Method, minutes: float) -> Method:
    return _baking(method, lambda baking: replace(baking, preheat_min=minutes))


def _core(method: Method, core_c: float) -> Method:
    return _baking(method, lambda baking: replace(baking, core_c=core_c))


RESHAPES: dict[str, Reshape] = {
    "bulk_rise": _bulk, "proof_share": _proof, "folds_done": _folds, "set_c": _dial, "steam_min": _steam,
    "preheat_min": _preheat, "core_c": _core,
}  # fmt: skip
"""What a plan can carry out by another method."""
