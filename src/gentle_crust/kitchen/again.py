"""A bake once more: what a plan is asked for so that it comes out like one that was."""

from dataclasses import replace
from datetime import timedelta

from gentle_crust.contract.bakes import BakeFigures
from gentle_crust.contract.log import Again
from gentle_crust.core.course.as_written import as_written
from gentle_crust.core.course.method import Until
from gentle_crust.core.course.tailored import bulk_until
from gentle_crust.core.errors import CraftError, NotFound
from gentle_crust.core.messages import Message, message
from gentle_crust.core.plan.shown import Plan
from gentle_crust.kitchen import story as tale
from gentle_crust.kitchen.figures import figures_of
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.story import story_of
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Plans
from gentle_crust.store.repositories import Events

AS_PLANNED_MIN = 15
"""A bulk that was so near to what was planned was as planned (practice)."""
LEAST_RISE = 0.1
"""A rise below this says little of where a bulk ended (practice)."""


def again(work: Work, key: str) -> Again:
    """What is asked for to bake like that once more: as it was planned, with the bulk and the warmth that it had.

    Raises NotFound for a bake that never was.
    """
    book = PlanBook(work)
    saved = book.open(key)
    with work.read() as session:
        story = story_of(Events(session).plain(*tale.ALL, subject=key))
        row = Plans(session).get(key)
    if story.started is None or row is None:
        raise NotFound("id", "kitchen-bake-unknown")
    takes: list[Message] = []
    asked = replace(saved.answer.asked, ready=None, ready_parts=None)
    if asked.version is not None:
        takes.append(message("again-version", number=asked.version))
    figures = figures_of(row.shown, story)
    if figures.dough_c is not None:
        asked = replace(asked, dough_c=round(figures.dough_c, 1))
        takes.append(message("again-dough-c", warm=figures.dough_c))
    if story.happened.vessel_id:
        asked = replace(asked, vessel_id=story.happened.vessel_id)
        takes.append(message("again-vessel"))
    until = _bulk(figures, _planned_min(saved.answer.plan))
    if until is not None:
        try:
            method = book.question(saved).method
        except CraftError:
            return Again(asked, tuple(takes))
        asked = replace(asked, style=None, method=as_written(bulk_until(method, until)), later_pieces=0, fridge_days=0,
                        folds=None)  # fmt: skip
        said = message("again-rise", percent=round(100 * until.value)) if until.way == "rise" else None
        takes.append(said or message("again-bulk", minutes=until.minutes[0]))
    return Again(asked, tuple(takes))


def _bulk(figures: BakeFigures, planned: float | None) -> Until | None:
    """What ended the bulk, if it was otherwise than planned: the rise that was read at its end, else its length."""
    minutes = figures.bulk_min
    if minutes is None or planned is None or abs(planned - minutes) < AS_PLANNED_MIN:
        return None
    if figures.end_rise is not None and figures.end_rise > LEAST_RISE:
        return Until("rise", figures.end_rise)
    return Until("span", minutes=(float(minutes), float(minutes)))


def _planned_min(plan: Plan) -> float | None:
    """How long the bulk was to be, from the end of mixing on."""
    if plan.times is None:
        return None
    mixing = sum(step.minutes for step in plan.steps if step.key == "mix-1")
    return (plan.times.bulk_end - plan.times.mix) / timedelta(minutes=1) - mixing
