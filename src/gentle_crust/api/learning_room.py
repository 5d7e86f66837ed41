"""What the kitchen has taught: shown with what it rests on, put aside with a tap."""

from flask import Response

from gentle_crust.api.common import answer, room, work
from gentle_crust.contract.learning import AsideBody, LearningAnswer
from gentle_crust.kitchen.learning import LearningBook
from gentle_crust.kitchen.other_lessons import other_lessons

learning = room("learning")


@learning.get("/learning", responses={200: LearningAnswer})
def lessons() -> Response:
    """Everything that bakes have taught, and on which of them it rests."""
    book = LearningBook(work())
    return answer(LearningAnswer(lessons=list(book.lines()), others=list(other_lessons(work()))))


@learning.post("/learning/aside", responses={200: LearningAnswer})
def put_aside(body: AsideBody) -> Response:
    """Put a lesson aside, or what one bake told of it; or let it count again."""
    LearningBook(work()).put_aside(body.event, body.lesson, body.bake, body.aside)
    return lessons()
