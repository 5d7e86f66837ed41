"""What a plan weighs, stage by stage, in the order of time."""

from dataclasses import replace
from datetime import datetime

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.waters import build_water_c
from gentle_crust.core.formula.feel import feel
from gentle_crust.core.formula.model import Formula, flour_name
from gentle_crust.core.formula.scaling import Ingredient, Stage, on_scale, totals
from gentle_crust.core.leaven.ripening import Ripening
from gentle_crust.core.messages import Message, message
from gentle_crust.core.scheduling.course import Recipe
from gentle_crust.core.scheduling.result import ByFeel, Feeling, Totals, WeighLine, WeighStage
from gentle_crust.core.scheduling.say import c
from gentle_crust.core.scheduling.whole import Course
from gentle_crust.core.water.plan import WaterAnswer


def weigh_stages(course: Course, clock: Clock, water: WaterAnswer, scale_g: float) -> tuple[WeighStage, ...]:
    """All that is weighed. Sums are of the figures shown, so that they add up; ``scale_g`` is the scale's step."""
    made = course.recipe
    formula = made.wish.formula
    stages = [_ripening_weights(ripening, formula, clock, scale_g) for ripening in course.ripenings]
    for stage in made.weighed.stages[:-1]:
        if stage.kind in ("soaker", "scald"):
            stages.append(_of_stage(stage, clock.at(course.soaked), scale_g))
        elif stage.kind == "old_dough":
            stages.append(_of_stage(stage, clock.at(course.old_dough_out), scale_g))
    lines = tuple(_line(line, water, scale_g) for line in made.weighed.dough.lines)
    stirred = course.times.mix if course.autolyse is None else course.autolyse
    stages.append(_stage("dough", "Dough", clock.at(stirred), lines))
    return tuple(sorted(stages, key=lambda stage: (stage.at, stage.kind == "dough")))


def _stage(kind: str, title: str, at: datetime, lines: tuple[WeighLine, ...]) -> WeighStage:
    return WeighStage(kind, title, at, lines, round(sum(line.g for line in lines), 2))


def _of_stage(stage: Stage, at: datetime, scale_g: float) -> WeighStage:
    lines = tuple(
        WeighLine(line.name, line.role, on_scale(line.g, scale_g), line.percent, line.mixed_percent, "")
        for line in stage.lines
    )
    return _stage(stage.kind, stage.title, at, lines)


def _line(line: Ingredient, water: WaterAnswer, scale_g: float) -> WeighLine:
    warm = line.role == "water"
    note = ", ".join(word for word in (c(water.drawn_c) if warm else "", "late" if line.late else "") if word)
    return WeighLine(line.name, line.role, on_scale(line.g, scale_g), line.percent, line.mixed_percent, note)


def _ripening_weights(ripening: Ripening, formula: Formula, clock: Clock, scale_g: float) -> WeighStage:
    preferment, build = ripening.preferment, ripening.build
    share = formula.flour(preferment.flour_kind)
    weights = [(ripening.culture or "Culture", "seed", build.seed_g, "")] if build.seed_g else []
    weights.append((share.name if share else flour_name(preferment.flour_kind), "flour", build.flour_g, ""))
    weights.append(("Water", "water", build.water_g, c(build_water_c(ripening, clock))))
    yeast = build.flour_g * preferment.yeast_percent / 100
    if yeast:
        weights.append(("Instant yeast", "yeast", yeast, ""))
    lines = tuple(
        WeighLine(name, role, on_scale(grams, scale_g), None, None, note) for name, role, grams, note in weights
    )
    title = {"feed": "Culture", "levain": "Levain"}.get(ripening.kind, ripening.kind.capitalize())
    return _stage(ripening.kind, title, clock.at(ripening.start), lines)


def totals_of(made: Recipe) -> Totals:
    """The formula in figures, counted overall and as mixed."""
    weighed = made.weighed
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


def feeling(course: Course) -> Feeling:
    """The dough's feel and the handling that this plan gives it, in words."""
    made = course.recipe
    words = handling_words(made.wish.formula, len(course.folds))
    return Feeling(made.feel.word, made.feel.capacity_percent, words)


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
