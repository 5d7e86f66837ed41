"""Questions turned round, asked of a plan's own dough and kitchen."""

from typing import Literal

from gentle_crust.contract.shown import Question
from gentle_crust.core import limits
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.errors import Infeasible, within
from gentle_crust.core.fermentation import inverse
from gentle_crust.core.fermentation.inverse import Bulk, Turned

UNITS: dict[str, Literal["h", "percent", "c"]] = {
    "ready": "h",
    "levain": "percent",
    "yeast": "percent",
    "dough_c": "c",
    "proofer_c": "c",
    "before_fridge": "h",
    "take_out": "h",
}


def turn(question: Question, asked: Asked, rise: float, hours: float, room_h: float) -> Turned:
    """Answer one question about the bulk of a plan. Raises CraftError for figures out of reach."""
    kitchen = asked.kitchen
    within("rise", limits.ASKED_RISE, rise)
    makeup = asked.makeup
    dough_g = asked.pieces * asked.scaling_weight_g
    bulk = Bulk(makeup, dough_g, asked.dough_c, kitchen.room.day_c)
    if question == "ready":
        return inverse.ready_h(bulk, rise)
    if question == "levain":
        if makeup.levain_yeast <= 0:
            raise Infeasible("question", "kitchen-dough-no-levain")
        return inverse.levain_for(bulk, rise, hours)
    if question == "yeast":
        return inverse.yeast_for(bulk, rise, hours)
    if question == "dough_c":
        return inverse.dough_c_for(bulk, rise, hours)
    if question == "proofer_c":
        return inverse.proofer_c_for(bulk, rise, hours)
    if question == "before_fridge":
        return inverse.room_h_before_fridge(bulk, rise, hours, kitchen.room.fridge_c)
    return inverse.take_out_h(bulk, rise, hours, kitchen.room.fridge_c, room_h)
