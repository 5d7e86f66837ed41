"""What hands do, and when: derived from the stages, by the shape, the place, the vessel and the tools."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from typing import Any

from gentle_crust.core.cautions import at_step
from gentle_crust.core.course.baking import FilledBake
from gentle_crust.core.course.bowl import in_order, is_late
from gentle_crust.core.course.fill import Batch, Filled, score_min
from gentle_crust.core.course.method import HeatStage
from gentle_crust.core.course.ripen import Beside
from gentle_crust.core.course.solved import PartCourse, Solved, last_share
from gentle_crust.core.course.standing import Run
from gentle_crust.core.course.waters import build_water_c, diluted
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.messages import NOTHING, Message, joined, listed, message, named
from gentle_crust.core.oven.equipment import shape_row, vessel_row
from gentle_crust.core.oven.kit import HOB_MIN
from gentle_crust.core.oven.profile import RECOVERY_MIN, SOAK_AFTER_RAKING_MIN
from gentle_crust.core.oven.steaming import Steaming, steaming
from gentle_crust.core.water.plan import WaterAnswer

CODES = (
    "feed", "levain", "preferment", "soak", "scald", "autolyse", "mix", "knead", "fold", "chill", "out_of_fridge",
    "move", "knock_back", "divide", "preshape", "shape", "finish", "preheat", "score", "load", "steam_in", "steam_out",
    "uncover", "vent", "turn", "swap", "set_oven", "out_of_tin", "out", "cut", "fire", "rake_out", "test_floor",
)  # fmt: skip
HANDS_MIN = {"feed": 5, "levain": 5, "preferment": 5, "soak": 3, "scald": 5, "autolyse": 5, "fold": 3}
LOAD_MIN, OUT_MIN, TOUCH_MIN = 5, 2, 1
FIRE_H, RAKE_H, TEST_H = 2.5, 0.5, 0.1
"""Before a wood-fired oven is loaded: the fire is lit, its embers raked out, the floor tried with flour (practice)."""
OF_ONE_MINUTE = {"preheat": 0, "fire": 0, "uncover": 0, "vent": 0, "score": 1, "load": 2, "out": 4}
"""Of what falls into one minute: the oven is lit before anything goes in, the door opened before it comes out."""
OF_ALL_LOADS = ("preheat", "fire", "rake_out", "test_floor")
LAST_LOAD_BEYOND = 0.05
"""A later load that would go so far past its target while it waits for the oven is put into the fridge (practice)."""
SAID_ONCE = ("jar", "mould")
Made = Callable[..., "Step"]
"""A step of one bake: what, when (h), minutes of hands, its words, and of which load."""


@dataclass(frozen=True)
class Step:
    """One thing to do: hours from the clock's origin, minutes of hands (0: it runs by itself).

    ``stage`` is the id of its stage; ``number`` of ``of`` where there are several. ``what`` and ``g`` say what goes in
    or comes out at a step of steaming.
    """

    step: str
    stage: str
    part: str
    at: float
    minutes: float
    text: Message
    cautions: tuple[str, ...] = ()
    number: int | None = None
    of: int | None = None
    what: str = ""
    g: float | None = None
    title: Message = NOTHING
    """What it is called, if its code does not say it."""


SPOILS = ("milk", "butter", "egg", "cream", "yoghurt", "cheese")
"""Extras that may not stand warm for long."""


def steps(solved: Solved, water: WaterAnswer) -> tuple[Step, ...]:
    """All steps of a course in order of time."""
    found: list[Step] = []
    for each in solved.beside:
        found.append(_beside(each, solved))
    first = solved.parts[0].path.batch
    found += _of_dough(solved.trunk, first, water, solved)
    for part in solved.parts:
        found += _of_dough(part.runs, part.path.batch, water, solved, bool(solved.trunk) and _cold_at_end(solved.trunk))
        found += _of_oven(part, solved)
    ordered = sorted(found, key=lambda step: (round(step.at, 4), OF_ONE_MINUTE.get(step.step, 3)))
    return _said_once(ordered)


def _said_once(found: list[Step]) -> tuple[Step, ...]:
    """Cautions that a second feed need not repeat are left out there."""
    said: set[str] = set()
    kept = []
    for step in found:
        kept.append(replace(step, cautions=tuple(code for code in step.cautions if code not in said)))
        said |= {code for code in step.cautions if code in SAID_ONCE}
    return tuple(kept)


def _cautions(step: str, vessel: str = "", oven: str = "", lidded: bool = False, **more: Any) -> tuple[str, ...]:
    """Codes of the cautions at a step; away from the oven there is no vessel to speak of."""
    return tuple(each.code for each in at_step(step, vessel, oven, lidded, **more))


def _beside(each: Beside, solved: Solved) -> Step:
    stage, part = ("feed", "") if each.filled is None else (each.filled.id, each.filled.part)
    formula = solved.asked.formula
    minutes = HANDS_MIN[each.kind]
    if each.ripening is None:
        soaker = formula.soakers[each.filled.row or 0] if each.filled else formula.soakers[0]
        dairy = any(extra.kind in SPOILS for extra in soaker.extras)
        cautions = _cautions(each.kind, dairy=dairy)
        text = message(f"step-{each.kind}", name=named(soaker.name))
        return Step(each.kind, stage, part, each.start, minutes, text, cautions)
    build = each.ripening.build
    grams = {
        "flour": round(build.flour_g, 1), "water": round(build.water_g, 1),
        "warm": round(build_water_c(each.ripening, solved.clock), 1),
    }  # fmt: skip
    cautions = _cautions(each.kind)
    if each.kind == "preferment":
        yeast = build.flour_g * each.ripening.preferment.yeast_percent / 100
        kind = message(f"course-preferment-{each.ripening.preferment.kind}")
        text = message("step-preferment", kind=kind, yeast=round(yeast, 2), **grams)
        text = joined(text, diluted(yeast, build.water_g, solved.asked.kitchen.scale_g))
        return Step(each.kind, stage, part, each.start, minutes, text, cautions)
    culture = named(each.ripening.culture) if each.ripening.culture else message("course-the-culture")
    text = message(f"step-{each.kind}", seed=round(build.seed_g, 1), culture=culture, **grams)
    kept = each.ripening.kept_g if each.kind == "levain" else 0.0
    text = joined(text, message("step-kept", kept=round(kept, 1)) if kept else NOTHING)
    return Step(each.kind, stage, part, each.start, minutes, text, cautions)


def _of_dough(
    runs: tuple[Run, ...], batch: Batch, water: WaterAnswer, solved: Solved, cold: bool = False
) -> Iterator[Step]:
    """Steps of everything that is done to a dough before it is loaded."""
    rested = False
    for place, run in enumerate(runs):
        each = run.filled
        if each.bake is not None or each.kind == "cool":
            if each.kind == "cool":
                yield _cooled(run, batch)
            cold = False
            continue
        waits = each.stage.minutes is None
        if waits and each.cold and not cold:
            yield Step(
                "chill", each.id, each.part, run.start, TOUCH_MIN, message("step-chill", minutes=round(60 * run.hours))
            )
        elif waits and not each.cold and cold:
            yield Step("out_of_fridge", each.id, each.part, run.start, TOUCH_MIN, message("step-out-of-fridge"))
        elif waits and each.place.name not in ("room", "fridge") and _moves(runs, place):
            text = message("step-move", place=message(f"course-place-{each.place.name.replace('_', '-')}"))
            yield Step("move", each.id, each.part, run.start, TOUCH_MIN, text)
        elif not waits and cold and each.kind in ("divide", "shape", "fold", "knock_back", "preshape"):
            yield Step("out_of_fridge", each.id, each.part, run.start, TOUCH_MIN, message("step-out-of-fridge"))
        cold = each.cold if waits else cold and each.kind in ("finish", "score")
        if each.kind == "autolyse":
            rested = True
        if not waits or each.kind == "autolyse":
            yield _by_hand(run, batch, water, rested, solved)
        for number, fold in enumerate(run.folds, 1):
            yield Step(
                "fold", each.id, each.part, fold, HANDS_MIN["fold"], _fold_words(each, number, solved),
                number=number, of=len(run.folds),
            )  # fmt: skip


def _moves(runs: tuple[Run, ...], place: int) -> bool:
    """Whether a stage stands elsewhere than the one that waited before it."""
    before = next((run.filled for run in reversed(runs[:place]) if run.filled.stage.minutes is None), None)
    between = any(run.filled.kind in ("divide", "shape") for run in runs[max(place - 1, 0) : place])
    return before is None or before.place != runs[place].filled.place or between


def _fold_words(each: Filled, number: int, solved: Solved) -> Message:
    counted, kind = 0, "stretch"
    for series in each.stage.folds or ():
        counted += series.count
        kind = series.kind
        if number <= counted:
            break
    how = message(f"step-fold-{kind}")
    mix = next((run.filled for run in solved.runs if run.filled.kind == "mix"), None)
    late = mix.stage.late if mix is not None and number == 1 and mix.stage.late else ()
    return joined(how, message("step-work-in", what=in_order(tuple(late)))) if late else how


def _by_hand(run: Run, batch: Batch, water: WaterAnswer, rested: bool, solved: Solved) -> Step:
    each, formula = run.filled, batch.formula
    shape, pieces = formula.shape, batch.pieces if each.part else solved.asked.pieces
    bake = next((part.bake for part in solved.parts if part.path.name == each.part), solved.parts[0].bake)
    if each.kind == "autolyse":
        text = message("step-autolyse", water=round(water.drawn_c, 1))
    elif each.kind == "mix":
        text = _mix_words(
            each, batch, water, rested, any(other.folds for other in solved.runs), solved.asked.kitchen.scale_g
        )
    elif each.kind == "knead":
        text = message(
            "step-knead",
            minutes=round(each.work_min),
            by=message(f"course-by-{(each.stage.by or 'hand_kneading').replace('_', '-')}"),
        )
    elif each.kind == "divide":
        code = "cut" if shape == "slipper" else "pieces"
        text = message(f"step-divide-{code}", pieces=pieces, g=round(batch.piece_g))
    elif each.kind == "shape":
        text = shaping(formula, "" if bake is None else bake.vessel.kind)
    elif each.kind == "finish":
        text = message(f"step-finish-{each.stage.how}")
    elif each.kind == "fold":
        text = message(f"step-fold-{each.stage.how}")
    else:
        text = message(f"step-{each.kind.replace('_', '-')}")
    cautions = _cautions(each.kind)
    minutes = HANDS_MIN["autolyse"] if each.kind == "autolyse" else each.work_min
    return Step(each.kind, each.id, each.part, run.start, minutes, text, cautions)


def _mix_words(each: Filled, batch: Batch, water: WaterAnswer, rested: bool, folded: bool, scale_g: float) -> Message:
    lines = batch.weighed.dough.lines
    late = set(each.stage.late or ())
    inside = [line for line in lines if line.role not in ("flour", "water") and not is_late(line, late)]
    names = tuple(message(f"course-into-{line.role}", name=line.name) for line in inside)
    dough = round(water.dough_c, 1)
    said = message("step-mix", water=round(water.drawn_c, 1), dough=dough)
    if rested:
        said = message("step-mix-rested", what=listed(*names), dough=dough)
    order = message("step-mix-order", what=in_order(each.stage.order)) if each.stage.order else NOTHING
    last = message("step-work-in", what=in_order(tuple(each.stage.late or ()))) if late and not folded else NOTHING
    little = sum(line.g for line in lines if line.role == "yeast")
    poured = sum(line.g for line in lines if line.role == "water")
    woken = message("step-wake-yeast", g=round(little, 1)) if batch.formula.yeast_woken and little else NOTHING
    return joined(woken, said, order, last, diluted(little, poured, scale_g))


def shaping(formula: Formula, vessel: str) -> Message:
    """How this loaf is shaped and where it is put to proof."""
    shape = formula.shape
    if formula.rye_rich:
        return message("step-shape-rye-tin" if shape == "pan_loaf" else "step-shape-rye-free")
    tray = bool(vessel) and vessel_row(vessel)["proof_group"] == "tray"
    known = shape.replace("_", "-")
    if tray and shape in ("baguette", "slipper", "boule", "batard"):
        return message(f"step-shape-{known}-tray")
    return message(f"step-shape-{known}")


def _cooled(run: Run, batch: Batch) -> Step:
    """When the loaf may be cut."""
    text = message("step-cut-rye" if batch.formula.rye_rich else "step-cut", minutes=round(60 * run.hours))
    return Step("cut", run.filled.id, run.filled.part, run.end, 0, text, _cautions("cut"))


def _of_oven(part: PartCourse, solved: Solved) -> Iterator[Step]:
    """Steps of the oven: heating, each load with its steam, what is changed while it bakes, out."""
    if part.baked is None or part.bake is None:
        return
    filled, bake, load = part.baked.filled, part.bake, part.baked.start
    scored = shape_row(solved.asked.formula.shape)["scored"] == "1" and not solved.asked.formula.rye_rich
    stated = any(run.filled.kind == "score" for run in (*solved.trunk, *part.runs))

    def made(
        step: str, at: float, minutes: float, text: Message, number: int, what: str = "", g: float | None = None,
        title: Message = NOTHING,
    ) -> Step:  # fmt: skip
        codes = _cautions(step, bake.vessel.kind, bake.oven.kind, bake.lidded, scored=False, what=what)
        which, of = (number, bake.loads) if bake.loads > 1 and step not in OF_ALL_LOADS else (None, None)
        return Step(step, filled.id, filled.part, at, minutes, text, codes, which, of, what, g, title)

    if part.shares is None:
        yield from _heating(bake, load, made)
    for number in range(1, bake.loads + 1):
        start = load + (number - 1) * (bake.minutes + RECOVERY_MIN) / 60
        if part.shares is None:
            for each in _steam(bake, number):
                step = "steam_in" if each.way == "in" else "steam_out"
                yield made(step, start + each.minute / 60, TOUCH_MIN, each.text, number, each.what, each.g, each.title)
        if scored and not stated:
            minutes = score_min(min(bake.per_load, part.path.batch.pieces))
            yield made("score", start - minutes / 60, minutes, message("step-score"), number)
        yield made("load", start, LOAD_MIN, loading(bake, solved.asked.formula), number)
        if number == 1 and (last_share(part, solved.clock) or 0.0) > part.path.batch.target.high + LAST_LOAD_BEYOND:
            yield made("chill", start, TOUCH_MIN, message("step-chill-later-loads"), number)
        yield from _while_baking(bake, start, number, made, part.shares is not None)
        out = message(f"step-out-{bake.last}", core=round(bake.core_done_c))
        yield made("out", start + bake.minutes / 60, OUT_MIN, out, number)


def _heating(bake: FilledBake, load: float, made: Made) -> Iterator[Step]:
    if bake.oven.kind == "wood":
        soak = RAKE_H if bake.fired is None else bake.fired.soaked_min / 60
        floor = round(bake.preheat.setpoint_c if bake.fired is None else bake.fired.floor_c)
        yield made("fire", load - FIRE_H - soak, 10, message("step-fire"), 1)
        yield made("rake_out", load - soak, 10, message("step-rake-out", minutes=round(60 * soak)), 1)
        yield made("test_floor", load - TEST_H, 2, message("step-test-floor", floor=floor), 1)
        return
    if bake.preheat.minutes <= 0:
        return
    code = {"all": "whole", "lid": "lid"}.get(bake.heated, "empty")
    text = message(
        f"step-preheat-{code}", heat=round(bake.preheat.setpoint_c), minutes=round(bake.preheat.minutes),
        vessel=message(f"the-vessel-{bake.vessel.kind}"),
    )  # fmt: skip
    yield made("preheat", load - bake.preheat.minutes / 60, 2, text, 1)
    if bake.heated == "hob":
        warm = message("touch-hob", minutes=HOB_MIN, vessel=message(f"the-vessel-{bake.vessel.kind}"))
        yield made("preheat", load - HOB_MIN / 60, 2, warm, 1, what="hob", title=message("touch-hob-title"))


def _steam(bake: FilledBake, load: int) -> tuple[Steaming, ...]:
    """What goes in and out to make steam, minutes from loading; for a later load as the oven comes back to heat."""
    first = SOAK_AFTER_RAKING_MIN if bake.oven.kind == "wood" else bake.preheat.minutes
    lead = float(first if load == 1 else RECOVERY_MIN)
    return steaming(bake.steam, lead, bake.vent_min, bake.minutes)


def _while_baking(bake: FilledBake, start: float, number: int, made: Made, shared: bool) -> Iterator[Step]:
    at = 0.0
    for before, after in zip(bake.stages, bake.stages[1:], strict=False):
        at += before.minutes
        when = start + at / 60
        if before.covered and not after.covered:
            code = "uncover" if bake.lidded else "vent"
            if bake.lidded or not shared:
                yield made(code, when, TOUCH_MIN, message(f"step-{code}"), number)
        if after.out_of_tin and not before.out_of_tin:
            yield made("out_of_tin", when, TOUCH_MIN, message("step-out-of-tin"), number)
        if after.swap:
            yield made("swap", when, TOUCH_MIN, message("step-swap"), number)
        if after.turn:
            yield made("turn", when, TOUCH_MIN, message("step-turn"), number)
        changed = (before.setpoint_c, before.fan, before.door, before.grill) != (
            after.setpoint_c, after.fan, after.door, after.grill,
        )  # fmt: skip
        if changed and bake.oven.kind != "wood" and not shared:
            grilled = {"what": "grill"} if after.grill else {}
            yield made("set_oven", when, TOUCH_MIN, _set_words(after), number, **grilled)


def _set_words(stage: HeatStage) -> Message:
    parts = [message("step-set-oven", heat=round(stage.setpoint_c)) if stage.setpoint_c else message("step-oven-off")]
    parts += [message("step-fan-on")] if stage.fan else []
    parts += [message("step-door-ajar")] if stage.door == "ajar" else []
    parts += [message("step-grill-on")] if stage.grill else []
    return joined(*parts, message("step-for-minutes", minutes=round(stage.minutes)))


def loading(bake: FilledBake, formula: Formula) -> Message:
    """What hands do with this shape as it goes in."""
    first, group = bake.stages[0], vessel_row(bake.vessel.kind)["proof_group"]
    shape = formula.shape
    if bake.lidded:
        by_hand = message("step-load-pot-cold" if bake.heated in ("none", "oven_only", "lid") else "step-load-pot")
    elif group == "tin":
        by_hand = message("step-load-tin")
    elif group == "tray":
        by_hand = message("step-load-tray")
    else:
        by_hand = message(
            f"step-load-{shape.replace('_', '-')}"
            if shape in ("baguette", "slipper", "flat_round")
            else "step-load-peel"
        )
    shut = message("step-load-lid" if bake.lidded and first.covered else "step-load-door", minutes=round(first.minutes))
    return joined(by_hand, shut)


def _cold_at_end(runs: tuple[Run, ...]) -> bool:
    """Whether a dough comes out of the fridge as its runs end."""
    last = next((run.filled for run in reversed(runs) if run.filled.stage.minutes is None), None)
    worked = runs and runs[-1].filled.stage.minutes is not None
    return last is not None and last.cold and not worked
