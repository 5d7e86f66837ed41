"""How a formula is made in this kitchen: its own method, or that of a style, stage by stage."""

from gentle_crust.contract.asked import Asked
from gentle_crust.contract.kitchen import Settings
from gentle_crust.core.course.adding import stage_kinds
from gentle_crust.core.course.as_written import as_written
from gentle_crust.core.course.ask import Asked as CourseAsked
from gentle_crust.core.course.bowl import goes_in
from gentle_crust.core.course.method import Method
from gentle_crust.core.course.plan import CoursePlan, plan
from gentle_crust.core.course.styles import OWN, fitting, method_for, style_of
from gentle_crust.core.formula.model import Formula, check
from gentle_crust.core.plan.how_made import HowMade, how_made
from gentle_crust.core.plan.stages_shown import MethodView, stages_shown
from gentle_crust.kitchen.mixes import MixBook
from gentle_crust.kitchen.oven_lessons import OvenLessons
from gentle_crust.kitchen.question import Behind, completed, plan_of
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work


def method_view(work: Work, formula: Formula, style: str | None = None) -> MethodView:
    """How a formula is made, as soon as it can be, by its own method or in a style.

    Raises CraftError that names the stage for a method that cannot be.
    """
    check(formula)
    made = _planned(work, formula, style)
    chosen = style_of(made.asked.style or OWN, formula)
    return _view(made, method_for(chosen, formula), chosen.id, KitchenSettings(work).get())


def made_so(work: Work, formula: Formula) -> HowMade:
    """How a formula is made in this kitchen, by its own method or in the style that suits it, for any day."""
    return how_made(_planned(work, formula, OWN if formula.method is not None else None))


def _planned(work: Work, formula: Formula, style: str | None) -> CoursePlan:
    """A formula in a style, or in the one that suits it, as soon as it can be."""
    settings = OvenLessons(work).kitchen()
    whole = completed(Asked("", style=style), settings, formula)
    return plan_of(whole, Behind(settings, formula, None, work.now(), MixBook(work).learnt_k()))


def method_of_plan(work: Work, asked: CourseAsked) -> MethodView:
    """How the dough of a plan is made: its stages as long as they are in that plan, by the time it is wanted."""
    return _view(plan(asked), asked.method, asked.style or OWN, KitchenSettings(work).get())


def _view(made: CoursePlan, method: Method, style: str, settings: Settings) -> MethodView:
    formula = made.solved.asked.formula
    others = tuple(each for each in fitting(formula, settings.vessels) if each.id != OWN)
    return MethodView(
        written=as_written(method),
        style=style,
        styles=others,
        stages=stages_shown(made, method),
        problems=made.problems,
        kinds=stage_kinds(method),
        goes_in=goes_in(formula),
    )
