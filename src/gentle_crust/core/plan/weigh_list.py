"""What a plan weighs, stage by stage, in the order of time."""

from dataclasses import replace
from datetime import datetime

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.fill import Batch
from gentle_crust.core.course.solved import Solved
from gentle_crust.core.course.waters import build_water_c
from gentle_crust.core.formula.feel import feel
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.formula.names import CULTURE, WATER, yeast_name
from gentle_crust.core.formula.scaling import Ingredient, Stage, Weighed, on_scale, totals
from gentle_crust.core.leaven.ripening import Ripening
from gentle_crust.core.messages import NOTHING, Message, message, named
from gentle_crust.core.plan.shown import ByFeel, Feeling, Totals, WeighLine, WeighStage
from gentle_crust.core.water.plan import WaterAnswer

OLD_DOUGH_WARMS_H = 1.0
"""How long a piece of old dough warms before the mixing (practice)."""


def weigh_stages(solved: Solved, water: WaterAnswer) -> tuple[WeighStage, ...]:
    """All that is weighed. Sums are of the figures shown, so that they add up to the scale's step."""
    batch, clock, scale_g = solved.parts[0].path.batch, solved.clock, solved.asked.kitchen.scale_g
    stirred = min(run.start for run in solved.runs if run.filled.kind in ("autolyse", "mix"))
    preferments = len(solved.asked.formula.preferments)
    stages = []
    for each in solved.beside:
        if each.ripening is not None:
            stages.append(_ripening_weights(each.ripening, solved.asked.formula, clock, scale_g))
        elif each.filled is not None and each.filled.row is not None:
            soaked = batch.weighed.stages[preferments + each.filled.row]
            stages.append(_of_stage(soaked, clock.at(each.start), scale_g))
    for stage in batch.weighed.stages:
        if stage.kind == "old_dough":
            stages.append(_of_stage(stage, clock.at(stirred - OLD_DOUGH_WARMS_H), scale_g))
    lines = tuple(_line(line, water, scale_g) for line in batch.weighed.dough.lines)
    stages.append(_stage("dough", message("shown-weigh-dough"), clock.at(stirred), lines))
    return tuple(sorted(stages, key=lambda stage: (stage.at, stage.kind == "dough")))


def _stage(kind: str, title: Message, at: datetime, lines: tuple[WeighLine, ...]) -> WeighStage:
    return WeighStage(kind, title, at, lines, round(sum(line.g for line in lines), 2))


def _of_stage(stage: Stage, at: datetime, scale_g: float) -> WeighStage:
    lines = tuple(
        WeighLine(line.name, line.role, on_scale(line.g, scale_g), line.percent, line.mixed_percent, NOTHING)
        for line in stage.lines
    )
    return _stage(stage.kind, stage.title, at, lines)


def _line(line: Ingredient, water: WaterAnswer, scale_g: float) -> WeighLine:
    note = message("shown-weigh-late") if line.late else NOTHING
    if line.role == "water":
        warm = round(water.drawn_c, 1)
        note = message("shown-weigh-late-warm", warm=warm) if line.late else message("shown-weigh-warm", warm=warm)
    return WeighLine(line.name, line.role, on_scale(line.g, scale_g), line.percent, line.mixed_percent, note)


def _ripening_weights(ripening: Ripening, formula: Formula, clock: Clock, scale_g: float) -> WeighStage:
    preferment, build = ripening.preferment, ripening.build
    warm = message("shown-weigh-warm", warm=round(build_water_c(ripening, clock), 1))
    weights = (
        [(named(ripening.culture) if ripening.culture else CULTURE, "seed", build.seed_g, NOTHING)]
        if build.seed_g
        else []
    )
    weights.append((formula.flour_called(preferment.flour_kind), "flour", build.flour_g, NOTHING))
    weights.append((WATER, "water", build.water_g, warm))
    yeast = build.flour_g * preferment.yeast_percent / 100
    if yeast:
        weights.append((yeast_name("instant"), "yeast", yeast, NOTHING))
    lines = tuple(
        WeighLine(name, role, on_scale(grams, scale_g), None, None, note) for name, role, grams, note in weights
    )
    return _stage(ripening.kind, part_title(ripening.kind), clock.at(ripening.start), lines)


def part_title(kind: str) -> Message:
    """What a culture, a levain or a preferment of some kind is called."""
    if kind in ("feed", "levain"):
        return message(f"shown-part-{kind}")
    return message("shown-part-preferment", kind=kind)


def totals_of(weighed: Weighed) -> Totals:
    """The formula in figures, counted overall and as mixed."""
    return Totals(
        weighed.flour_g,
        weighed.dough_g,
        weighed.overall_hydration_percent,
        weighed.mixed_hydration_percent,
        weighed.overall_salt_percent,
        weighed.mixed_salt_percent,
        weighed.prefermented_percent,
    )


def by_feel(formula: Formula, flour_g: float) -> ByFeel | None:
    """Both ends of a formula that is finished by feel; None if its water is fixed."""
    if formula.feel_to_percent is None:
        return None
    more = flour_g * (formula.feel_to_percent - formula.hydration_percent) / 100
    whole = sum(total.g for total in totals(formula, flour_g))
    wettest = replace(formula, hydration_percent=formula.feel_to_percent, feel_to_percent=None)
    return ByFeel(
        formula.hydration_percent,
        formula.feel_to_percent,
        more,
        whole,
        whole + more,
        feel(formula).word,
        feel(wettest).word,
    )


def feeling(batch: Batch, folds: int) -> Feeling:
    """The dough's feel and the handling that a plan of so many folds gives it, in words."""
    return Feeling(batch.feel.word, batch.feel.capacity_percent, handling_words(batch.formula, folds))


def handling_words(formula: Formula, folds: int | None = None) -> Message:
    """How a formula's gluten is developed; by so many ``folds``, if a plan has settled that."""
    dough = feel(formula)
    if folds is not None and dough.folds:
        dough = replace(dough, folds=folds)
    if formula.rye_rich:
        return message("handling-paste")
    if dough.knead:
        return message("handling-knead")
    if not dough.folds:
        return message("handling-no-folds")
    if dough.boxed and dough.folds > 2:
        return message("handling-box", folds=dough.folds)
    return message("handling-folds", folds=dough.folds)
