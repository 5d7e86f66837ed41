"""What the kitchen learns elsewhere, in one list: what mixing adds, and how the oven runs."""

from gentle_crust.contract.learning import OtherLesson
from gentle_crust.core.messages import message
from gentle_crust.core.oven.learnt import said as oven_said
from gentle_crust.kitchen.lesson_marks import marks_of
from gentle_crust.kitchen.mixes import MixBook
from gentle_crust.kitchen.oven_lessons import OvenLessons
from gentle_crust.kitchen.work import Work


def other_lessons(work: Work) -> tuple[OtherLesson, ...]:
    """Lessons that have a room of their own, those that rest on something."""
    marks = marks_of(work)
    mixers = tuple(
        OtherLesson(
            f"mixer:{each.mixing}",
            message("lesson-mixer", mixing=message(f"course-by-{each.mixing.replace('_', '-')}")),
            message("learnt-mixer", k=round(each.k, 1), usual=round(each.usual_k, 1)),
            each.mixes,
            "/water",
            marks.aside(f"mixer:{each.mixing}"),
        )
        for each in MixBook(work).frictions()
        if each.mixes
    )
    oven = OvenLessons(work).in_use()
    if not oven.bakes:
        return mixers
    return (
        *mixers,
        OtherLesson("oven", message("lesson-oven"), oven_said(oven), oven.bakes, "/oven", marks.aside("oven")),
    )
