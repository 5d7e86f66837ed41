"""Trials that a plan of this kitchen can be."""

from gentle_crust.contract.asked import Asked
from gentle_crust.core.course.trials import TrialOffer, trial_offers
from gentle_crust.core.oven.equipment import fits
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.question import AS_METHOD, vessel_of
from gentle_crust.kitchen.work import Work


def trials_for(work: Work, asked: Asked) -> tuple[TrialOffer, ...]:
    """What the dough of a plan can try, with the vessels of this kitchen that its loaves fit."""
    book = PlanBook(work)
    whole, behind = book.completed(asked)
    question = book.ask(asked)
    settings, formula = behind.settings, question.formula
    weight = question.scaling_weight_g
    able = [each for each in settings.vessels if not fits(each, formula.shape, weight)]
    vessel = vessel_of(whole, settings, formula) if whole.vessel_id != AS_METHOD else None
    if vessel is None:
        return ()
    return trial_offers(question.method, vessel, able, question.pieces)
