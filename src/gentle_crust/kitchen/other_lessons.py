"""What the kitchen learns elsewhere, in one list: what mixing adds, and how the oven runs."""

from gentle_crust.contract.learning import OtherLesson
from gentle_crust.core.messages import message
from gentle_crust.core.oven.learnt import said as oven_said
from gentle_crust.kitchen.mixes import MixBook
from gentle_crust.kitchen.oven_lessons import OvenLessons
from gentle_crust.kitchen.work import Work


def other_lessons(work: Work) -> tuple[OtherLesson, ...]:
    """Lessons that have a room of their own, those that rest on something."""
    mixers = tuple(
        OtherLesson(
            message("lesson-mixer", mixing=message(f"course-by-{each.mixing.replace('_', '-')}")),
            message("learnt-mixer", k=round(each.k, 1), usual=round(each.usual_k, 1)),
            each.mixes,
            "/water",
        )
        for each in MixBook(work).frictions()
        if each.mixes
    )
    oven = OvenLessons(work).in_use()
    if not oven.bakes:
        return mixers
    return (*mixers, OtherLesson(message("lesson-oven"), oven_said(oven), oven.bakes, "/oven"))
