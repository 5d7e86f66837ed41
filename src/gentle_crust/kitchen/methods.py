"""How a formula is made in this kitchen: its own method, or that of a style, stage by stage."""

from dataclasses import dataclass
from typing import Any

from gentle_crust.contract.asked import Asked
from gentle_crust.core.course.adding import StageKind, stage_kinds
from gentle_crust.core.course.as_written import as_written
from gentle_crust.core.course.problems import Problem
from gentle_crust.core.course.styles import OWN, Style, fitting, method_for, style_of
from gentle_crust.core.formula.model import Formula, check
from gentle_crust.core.plan.stages_shown import StageShown, stages_shown
from gentle_crust.kitchen.mixes import MixBook
from gentle_crust.kitchen.question import Behind, completed, plan_of
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work


@dataclass(frozen=True)
class MethodView:
    """A method as it is written, the style that it is or began from, how its stages go, and what of it cannot be.

    ``styles`` are those in which the formula could be made instead; ``kinds`` say what may be changed and added.
    """

    written: dict[str, Any]
    style: str
    styles: tuple[Style, ...]
    stages: tuple[StageShown, ...]
    problems: tuple[Problem, ...]
    kinds: tuple[StageKind, ...]


def method_view(work: Work, formula: Formula, style: str | None = None) -> MethodView:
    """How a formula is made, as soon as it can be, by its own method or in a style.

    Raises CraftError that names the stage for a method that cannot be.
    """
    check(formula)
    settings = KitchenSettings(work).get()
    whole = completed(Asked("", style=style), settings, formula)
    made = plan_of(whole, Behind(settings, formula, None, work.now(), MixBook(work).learnt_k()))
    chosen = style_of(whole.style or OWN, formula)
    method = method_for(chosen, formula)
    others = tuple(each for each in fitting(formula, settings.vessels) if each.id != OWN)
    stages, kinds = stages_shown(made, method), stage_kinds(method)
    return MethodView(as_written(method), chosen.id, others, stages, made.problems, kinds)
