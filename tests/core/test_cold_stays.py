"""When doughs of a plan stand in the fridge, by their steps, and what room they take there."""

from dataclasses import replace
from datetime import UTC, datetime

import pytest

from gentle_crust.core.clock import Nights, Room
from gentle_crust.core.course.taken import litres_of
from gentle_crust.core.formula.model import FlourShare, Formula, Preferment
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.plan.cold import cold_stays
from tests.plans import Wish, kitchen, make_plan

NOW = datetime(2026, 11, 28, 6, 30, tzinfo=UTC)
READY = datetime(2026, 11, 30, 12, tzinfo=UTC)
LEVAIN = Formula(
    "Levain", (FlourShare("strong_white", 100),), 70, 2, "boule",
    preferments=(Preferment("levain", "strong_white", 10, 100),),
)  # fmt: skip
POT = Vessel("pot", "lidded_cast_iron", "Iron pots", 2)
KITCHEN = kitchen("Europe/Lisbon", Room(22, 19, 4), Nights(22.5, 6.5), Oven(), vessels=(POT,))
WISH = Wish(LEVAIN, 4, 500, READY, "cold", POT, 25)


def planned(style, **more):
    return make_plan(replace(WISH, style=style, **more), KITCHEN, NOW)


def step(plan, key):
    return next(each for each in plan.steps if each.key == key)


def test_a_dough_without_a_fridge_takes_none_of_it():
    plan = planned("room_steady")
    assert cold_stays(plan, plan.steps) == ()


def test_a_shaped_dough_stands_from_its_chill_to_its_load():
    plan = planned("cold_shaped")
    (stay,) = cold_stays(plan, plan.steps)
    assert (stay.start, stay.end) == (step(plan, "chill-1").at, step(plan, "load-1").at)
    assert stay.litres == pytest.approx(litres_of(plan.totals.dough_g)) and 3.9 < stay.litres < 4.3


def test_a_whole_dough_stands_until_it_is_taken_out_to_be_divided():
    plan = planned("cold_bulk")
    (stay,) = cold_stays(plan, plan.steps)
    assert stay.end == step(plan, "out_of_fridge-1").at < step(plan, "load-1").at


def test_each_part_stands_for_itself_and_takes_its_share():
    plan = planned("cold_shaped", later_pieces=1)
    first, later = sorted(cold_stays(plan, plan.steps), key=lambda stay: stay.end)
    assert later.end == step(plan, "load-101").at > first.end == step(plan, "load-1").at
    assert first.litres == pytest.approx(3 * later.litres)
    assert first.litres + later.litres == pytest.approx(litres_of(plan.totals.dough_g))


def test_a_whole_dough_that_is_cold_before_it_is_split_takes_all_of_its_room():
    plan = planned("cold_bulk", later_pieces=1)
    whole = min(cold_stays(plan, plan.steps), key=lambda stay: stay.start)
    assert whole.litres == pytest.approx(litres_of(plan.totals.dough_g))
    later = max(cold_stays(plan, plan.steps), key=lambda stay: stay.end)
    assert later.litres == pytest.approx(whole.litres / 4)
