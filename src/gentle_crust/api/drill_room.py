"""Reading dough for practice: a dough is shown, judged, and told."""

from flask import Response

from gentle_crust.api.common import answer, room, work
from gentle_crust.contract.drill import (
    DrillAnswer,
    DrillQuery,
    DrillSide,
    DrillToldAnswer,
    ReadBody,
    SidesAnswer,
    SidesQuery,
    Spoke,
)
from gentle_crust.core.drill.drill import Drill, Reading, becomes, given
from gentle_crust.kitchen.drills import DrillBook

drills = room("drill")


@drills.get("/drill", responses={200: DrillAnswer})
def a_dough(query: DrillQuery) -> Response:
    """A dough to be read."""
    book = DrillBook(work())
    found = book.drill(query.formula, query.stage, query.seed)
    return answer(
        DrillAnswer(container=found.container, drawn=found.drawn, signs=list(found.signs), score=book.score())
    )


@drills.get("/drill/sides", responses={200: SidesAnswer})
def side_by_side(query: SidesQuery) -> Response:
    """Under, ready and over of one kind of dough."""
    return answer(SidesAnswer(sides=[_side(each) for each in DrillBook(work()).sides(query.formula, query.stage)]))


@drills.post("/drill", responses={200: DrillToldAnswer})
def read_it(body: ReadBody) -> Response:
    """Judge a dough: how it was is told then."""
    rise = None if body.rise_percent is None else body.rise_percent / 100
    reading = Reading(body.state, body.sure, rise)  # type: ignore[arg-type]
    book = DrillBook(work())
    judged = book.judge(body.event, body.formula, body.stage, body.seed, reading)
    found = judged.found
    return answer(
        DrillToldAnswer(
            state=found.state,
            rise_percent=round(100 * found.rise),
            share_percent=round(100 * found.share),
            ready_percent=[round(100 * each) for each in found.wanted],
            spoke=[Spoke(says, bits) for says, bits in found.speaks],
            becomes=becomes(found.stage, found.state),
            bits=judged.bits,
            given_percent=round(100 * given(reading)[found.state]),
            score=book.score(),
        )
    )


def _side(found: Drill) -> DrillSide:
    return DrillSide(
        found.state,
        round(100 * found.rise),
        round(100 * found.share),
        found.drawn,
        found.signs,
        becomes(found.stage, found.state),
    )
