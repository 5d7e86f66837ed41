"""In any kitchen from 5 to 40 C a plan is drawn; what cannot ferment there is said, with a change that mends it."""

import random
from dataclasses import replace
from datetime import UTC, datetime, timedelta
from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from gentle_crust.core.clock import Nights, Room
from gentle_crust.core.formula.model import FlourShare, Formula, Preferment
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.plan.ways import ways
from gentle_crust.core.plan.what_if import what_if
from gentle_crust.core.plan.why import why
from tests.plans import Wish, codes, course, kitchen, make_plan, said

NOW = datetime(2026, 11, 28, 6, 30, tzinfo=UTC)
POT, TIN = Vessel("pot", "lidded_cast_iron", "Pot", 2), Vessel("tin", "tin", "Tins", 2)
WHITE = (FlourShare("strong_white", 100),)
LEVAINS = {
    "white": (Formula("White", WHITE, 74, 2, "boule", (), (Preferment("levain", "strong_white", 10, 100),)), POT),
    "stiff": (Formula("Stiff", WHITE, 66, 2, "batard", (), (Preferment("levain", "strong_white", 18, 50),)), POT),
    "rye": (
        Formula(
            "Rye", (FlourShare("whole_rye", 80), FlourShare("strong_white", 20)), 82, 1.9, "pan_loaf", (),
            (Preferment("levain", "whole_rye", 26, 90),), dough_c=28,
        ),
        TIN,
    ),
    "little": (Formula("Little", WHITE, 70, 2, "boule", (), (Preferment("levain", "strong_white", 3, 100),)), POT),
}  # fmt: skip
HARD = [(5, 5), (18, 17), (18, 18), (16, 12), (20, 14), (34, 26), (36, 30), (40, 36), (40, 40), (5, 40), (40, 5)]
NEVER = {"unripe", "no_rise", "water_hot", "never_ready"}


def asked(name: str, day: float, night: float, proof: str, hungry: bool = False):
    formula, vessel = LEVAINS[name]
    wish = Wish(formula, 2, 850, datetime(2026, 11, 29, 18, tzinfo=UTC), proof, vessel, formula.dough_c, not hungry)
    return wish, kitchen("Europe/Lisbon", Room(day, night, 4), Nights(22.5, 6.5), Oven("electric", 250))


def check(name: str, day: float, night: float, proof: str, hungry: bool) -> None:
    """A plan whose steps are in order and end at the oven; if something never ferments, it is named, with its stage."""
    wish, where = asked(name, day, night, proof, hungry)
    plan = make_plan(wish, where, NOW)
    times = plan.times
    assert times.mix < times.bulk_end < times.proof_start <= times.load <= plan.out
    assert all(one.at <= two.at for one, two in pairwise(plan.steps))
    for build in plan.levains:
        assert build.at < build.wanted and build.wanted - build.at < timedelta(days=7)
    for problem in plan.problems:
        assert said(problem.sentence).endswith(".") and problem.stage, problem
    if not codes(plan) & NEVER:
        assert all(build.ripe.likely is not None for build in plan.levains)


@pytest.mark.parametrize(("day", "night"), HARD)
def test_rooms_that_once_ended_in_an_error_are_planned(day, night):
    name = random.Random(100 * day + night).choice(sorted(LEVAINS))
    check(name, day, night, ("room", "cold")[(day + night) % 2], hungry=day == 18)


@settings(max_examples=14, deadline=None, derandomize=True)
@given(
    st.sampled_from(sorted(LEVAINS)),
    st.integers(5, 40),
    st.integers(5, 40),
    st.sampled_from(["room", "cold"]),
    st.booleans(),
)
def test_every_kitchen_gets_its_plan(name, day, night, proof, hungry):
    check(name, day, night, proof, hungry)


def test_a_cool_kitchen_only_takes_longer():
    spans = []
    for warmth in (24, 19, 14):
        plan = make_plan(*asked("white", warmth, warmth, "room"), NOW)
        assert not codes(plan) & NEVER
        spans.append(plan.out - plan.begins)
    assert all(slow > 1.15 * quick for quick, slow in pairwise(spans))


def test_in_a_very_cold_kitchen_the_dough_is_put_somewhere_warm_and_the_reason_is_said():
    wish, where = asked("white", 8, 8, "room")
    made = course(wish, where, NOW)
    bulk = next(run.filled for run in made.solved.runs if run.filled.kind == "bulk")
    assert bulk.place.name == "oven_off" and "cold" in said(dict(bulk.why)["place"])
    moved = [step for step in make_plan(wish, where, NOW).steps if step.kind == "move"]
    assert moved and "oven" in said(moved[0].detail)
    own = make_plan(replace(wish, stand_c=24.0), where, NOW)
    assert not [step for step in own.steps if step.kind == "move"], "it was said where it stands"


def test_flour_too_cold_for_the_wished_dough_is_said_and_a_cooler_one_offered():
    wish, where = asked("rye", 5, 5, "room")
    wish = replace(wish, dough_c=33)
    made = course(wish, where, NOW)
    assert "water_hot" in {problem.code for problem in made.problems}
    assert made.water.water_c == pytest.approx(45, abs=0.1) and made.water.dough_c < 32
    cooler = course(replace(wish, dough_c=22), where, NOW)
    assert "water_hot" not in {problem.code for problem in cooler.problems} and cooler.water.dough_c > 19


@pytest.mark.parametrize(("day", "night"), [(5, 5), (36, 30)])
def test_ways_shades_and_reasons_answer_there_too(day, night):
    wish, where = asked("white", day, night, "cold")
    made = course(wish, where, NOW)
    found = ways(made.asked)
    assert len(found) >= 4 and all(way.plan is not None or way.why_not for way in found)
    assert len(what_if(made)) == 3
    assert why(made.solved).drivers
