"""What other doughs take of a kitchen, and courses that give way to it."""

import json
from dataclasses import replace
from datetime import datetime, timedelta

import pytest

from gentle_crust.contract.course import PlanQuestion
from gentle_crust.core.clock import Clock, zone_of
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.mends import mends
from gentle_crust.core.course.plan import plan
from gentle_crust.core.course.taken import Taken, litres_of, meets, minutes_taken, most_litres
from gentle_crust.core.errors import CraftError
from tests.courses import NOW, courses

START = datetime.fromisoformat(NOW)


def asked(name: str) -> Asked:
    """A course by the beginning of its name."""
    written = next(each for key, each in courses().items() if key.split()[0] == name)
    return PlanQuestion.model_validate_json(json.dumps(written)).asked()[0]


def at(hours: float) -> datetime:
    """So many hours from now."""
    return START + timedelta(hours=hours)


@pytest.fixture
def clock() -> Clock:
    """The kitchen's clock from now on."""
    kitchen = asked("1").kitchen
    return Clock(START, zone_of(kitchen.zone), kitchen.nights, kitchen.room)


def test_a_meeting_is_told_with_whom_and_for_how_long(clock: Clock) -> None:
    taken = (
        Taken("oven", "Rye", at(4), at(5)),
        Taken("oven", "Rolls", at(5.5), at(7)),
        Taken("hands", "Rye", at(4), at(5)),
    )
    met = meets(taken, "oven", clock, 4.5, 6.5)
    assert met is not None and (met.name, round(met.minutes), met.until) == ("Rolls", 60, 7)
    assert meets(taken, "oven", clock, 5.1, 5.4) is None
    assert meets(taken, "hands", clock, 4.96, 6) is None, "two minutes can slip"


def test_a_fridge_holds_what_stands_in_it_at_once(clock: Clock) -> None:
    taken = tuple(Taken("fridge", str(n), at(n), at(n + 2), 3.0) for n in range(4))
    assert most_litres(taken, clock, 0, 10) == 6
    assert most_litres(taken, clock, 4.5, 10) == 3
    assert most_litres(taken, clock, 6, 10) == 0


def test_minutes_taken_are_summed_and_none_counts_twice(clock: Clock) -> None:
    taken = (Taken("oven", "a", at(1), at(2)), Taken("oven", "b", at(1.5), at(3)))
    hours, minutes = minutes_taken(taken, "oven", clock, 0, 5)
    assert minutes[-1] == pytest.approx(120, abs=6) and len(hours) == len(minutes)


def test_a_taken_oven_is_a_problem_with_a_mend_that_was_tried() -> None:
    question = asked("6")
    free = plan(question)
    out = free.solved.clock.at(free.solved.parts[0].out)
    busy = replace(question, taken=(Taken("oven", "Rye", out - timedelta(minutes=30), out + timedelta(minutes=30)),))
    made = plan(busy)
    assert [each.code for each in made.problems] == ["oven_taken"]
    mend = mends(made)[0]
    assert mend is not None and "ready" in mend.change


def test_a_course_wanted_soon_waits_for_the_oven() -> None:
    question = replace(asked("6"), ready=())
    free = plan(question)
    load, clock = free.solved.parts[0].load, free.solved.clock
    assert load is not None
    taken = (Taken("oven", "Rye", clock.at(load - 1), clock.at(load + 2)),)
    made = plan(replace(question, taken=taken))
    assert not made.problems
    assert made.solved.parts[0].out > free.solved.parts[0].out + 1


def test_hands_that_another_dough_has_are_left_to_it_by_a_longer_hold() -> None:
    question = asked("1")
    free = plan(question)
    shape = next(run for run in free.solved.runs if run.filled.id == "shape")
    clock = free.solved.clock
    taken = (Taken("hands", "Rye", clock.at(shape.start - 0.7), clock.at(shape.end + 0.2)),)
    made = plan(replace(question, taken=taken))
    assert "hands_taken" not in [each.code for each in made.problems]
    moved = next(run for run in made.solved.runs if run.filled.id == "shape")
    assert abs(moved.start - shape.start) > 0.2


def test_parts_that_stand_in_the_fridge_at_once_want_room_together() -> None:
    question = asked("3")
    whole_l = litres_of(plan(question).solved.parts[0].path.batch.weighed.dough_g)
    roomy = replace(question, kitchen=replace(question.kitchen, fridge_l=whole_l + 0.1))
    assert "fridge_full" not in [each.code for each in plan(roomy).problems]
    cramped = replace(question, kitchen=replace(question.kitchen, fridge_l=whole_l - 0.1))
    assert "fridge_full" in [each.code for each in plan(cramped).problems]


def test_a_fridge_of_no_litres_is_refused_by_name() -> None:
    question = asked("1")
    with pytest.raises(CraftError) as refused:
        plan(replace(question, kitchen=replace(question.kitchen, fridge_l=0.0)))
    assert refused.value.field == "kitchen.fridge_l"


def test_a_full_fridge_says_what_is_free() -> None:
    question = asked("1")
    small = replace(question, kitchen=replace(question.kitchen, fridge_l=5.0))
    assert not plan(small).problems
    taken = (Taken("fridge", "Rye", at(0), at(48), 3.0),)
    found = plan(replace(small, taken=taken)).problems
    assert [each.code for each in found] == ["fridge_full"]
    assert found[0].text.values["room"] == 2.0
