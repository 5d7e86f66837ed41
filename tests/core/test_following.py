"""Readings and the plan that follows them; ways, shades, drivers, marks, and questions turned round."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta
from itertools import pairwise

import numpy as np
import pytest
from population import coverage, situations

from gentle_crust.core.clock import Nights, Room
from gentle_crust.core.course.believed import Read
from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation import inverse
from gentle_crust.core.fermentation.dough import makeup_of
from gentle_crust.core.fermentation.inverse import Bulk
from gentle_crust.core.fermentation.marks import in_jar, on_box
from gentle_crust.core.fermentation.readings import (
    Reading,
    check,
    doubts,
    grid,
    rise_from_heights,
    rise_from_line,
    said_of,
    update,
)
from gentle_crust.core.fermentation.uncertainty import Vigour, unknown
from gentle_crust.core.formula.model import Extra, FlourShare, Formula, Preferment
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.plan.ways import ways
from gentle_crust.core.plan.what_if import what_if
from gentle_crust.core.plan.why import why
from gentle_crust.text.render import say
from tests.plans import Bench, Wish, course, kitchen, make_plan, question, said, steps_of

FACTORS = grid(unknown())
NOW = datetime(2026, 11, 27, 18, 0, tzinfo=UTC)
LEVAIN = Formula(
    "Loaf",
    (FlourShare("strong_white", 90), FlourShare("whole_wheat", 10)),
    75,
    2,
    "boule",
    preferments=(Preferment("levain", "strong_white", 10, 100),),
)
YEASTED = Formula("Tin", (FlourShare("strong_white", 100),), 65, 2, "pan_loaf", (Extra("Oil", "oil", 3),), (), 0.8)
KITCHEN = kitchen("UTC", Room(23, 19, 4.5), Nights(22.5, 6.0), Oven("electric", 250), tap_c=14)


def wish(formula=LEVAIN, proof="cold", hours=38.5, **more) -> Wish:
    vessel = Vessel("p", "lidded_cast_iron", "Pot", 2) if formula is LEVAIN else Vessel("t", "tin", "Tin", 2)
    return Wish(formula, 2, 850, NOW + timedelta(hours=hours), proof, vessel, 25, **more)


@pytest.fixture(scope="module")
def cold():
    return make_plan(wish(), KITCHEN, NOW)


def follow(plan, *readings, **more):
    read = [Read(plan.times.mix + timedelta(hours=each.at_h), each.kind, each.value, each.sure) for each in readings]
    return Bench(wish(**more), KITCHEN, NOW).followed(readings=read).plan


@pytest.mark.parametrize("one", situations(), ids=lambda one: one.name)
def test_about_four_doughs_in_five_keep_to_the_band(one):
    """Bought yeast, an unknown culture, one in a fridge that is known to 2 K, after readings, after three bakes."""
    assert 0.70 <= coverage(one, 120).inside <= 0.91, "the whole 400 doughs are for the proof"


def test_readings_narrow_the_band_and_that_of_bought_yeast_is_narrow():
    yeasted, unread, _, _, read, known = (coverage(one, 30).width_h for one in situations())
    assert read < 0.75 * unread and yeasted < 0.2 * unread and known < 0.5 * unread


def test_a_reading_of_what_was_foretold_changes_nothing_but_how_sure_it_is():
    found = update((Reading(3, "rise_jar", 0.5),), lambda _: 0.5 * FACTORS)
    assert found.likely == pytest.approx(1, abs=0.05) and found.sigma < unknown().sigma


def test_readings_at_one_time_count_once_and_never_make_it_too_sure():
    same = tuple(Reading(3 + n / 100, "rise_jar", 0.5) for n in range(40))
    assert update(same, lambda _: 0.5 * FACTORS) == pytest.approx(update(same[-1:], lambda _: 0.5 * FACTORS))
    spaced = tuple(Reading(float(n), "rise_jar", 0.5) for n in range(60))
    assert update(spaced, lambda _: 0.5 * FACTORS).sigma >= 0.05


def test_a_fast_dough_is_said_to_be_and_comes_earlier(cold):
    mix, stop = cold.times.mix, cold.times.bulk_end
    hours = (stop - mix).total_seconds() / 3600
    fast = follow(cold, Reading(0.6 * hours, "rise_box", 0.6 * cold.proof.bulk_rise))
    slow = follow(cold, Reading(0.75 * hours, "rise_box", 0.1))
    assert "faster than usual" in str(say(fast.told.sentence)) and "slower" in str(say(slow.told.sentence))
    assert fast.times.bulk_end < stop < slow.times.bulk_end
    assert fast.times.load == cold.times.load
    for plan in (fast, slow):
        assert plan.proof.target_low <= plan.proof.share <= plan.proof.target_high


def test_bulk_does_not_end_before_the_dough_was_last_seen_in_its_bowl(cold):
    hours = (cold.times.bulk_end - cold.times.mix).total_seconds() / 3600
    seen = follow(cold, Reading(0.9 * hours, "rise_box", 1.5 * cold.proof.bulk_rise))
    assert seen.times.bulk_end >= cold.times.mix + timedelta(hours=0.9 * hours) - timedelta(seconds=2)


def test_a_room_proof_moves_the_oven_too():
    plan = make_plan(wish(proof="room", hours=26), KITCHEN, NOW)
    slow = follow(plan, Reading(3, "rise_eye", 0.05), proof="room", hours=26)
    assert slow.out > plan.out and slow.times.proof_start > plan.times.proof_start
    assert slow.proof.target_low - 0.02 <= slow.proof.share <= slow.proof.target_high + 0.02


def test_a_dough_judged_ready_in_its_proof_moves_the_oven_to_then():
    plan = make_plan(wish(proof="room", hours=26), KITCHEN, NOW)
    judged = (plan.times.load - plan.times.mix).total_seconds() / 3600 - 0.75
    sooner = follow(plan, Reading(judged, "ready", 0.5), proof="room", hours=26)
    assert "faster" in str(say(sooner.told.sentence)) and sooner.times.load < plan.times.load


def test_a_temperature_corrects_the_path_and_leaves_the_leaven_alone(cold):
    chilly = follow(cold, Reading(2.5, "dough_c", 20.5))
    fresh = follow(cold, Reading(0.1, "dough_c", 22.0))
    assert chilly.told.vigour == fresh.told.vigour == unknown()
    assert chilly.times.bulk_end > cold.times.bulk_end and fresh.times.bulk_end > cold.times.bulk_end
    bulk = next(part for part in chilly.ribbon.parts if part.kind == "bulk")
    at = cold.times.mix + timedelta(hours=2.5)
    near = min(bulk.points, key=lambda point: abs(point.at - at))
    assert near.dough_c == pytest.approx(20.5, abs=0.5)


def test_what_cannot_be_is_questioned_and_counts_only_if_stood_by(cold):
    falls = (Reading(2, "rise_box", 0.4), Reading(3, "rise_box", 0.1))
    assert [doubt.index for doubt in doubts(falls)] == [1]
    assert [doubt.index for doubt in doubts((Reading(1, "dough_c", 25), Reading(1.2, "dough_c", 40)))] == [1]
    believed = follow(cold, falls[0])
    assert follow(cold, *falls).times == believed.times
    assert follow(cold, falls[0], replace(falls[1], sure=True)).times != believed.times


@pytest.mark.parametrize(
    "reading",
    [Reading(1, "dough_c", 60), Reading(-1, "rise_eye", 0.2), Reading(1, "rise_eye", 9), Reading(1, "song", 1)],
)
def test_no_dough_shows_that(reading):
    with pytest.raises(CraftError):
        check(reading)


def test_words_for_a_vigour():
    assert str(say(said_of(Vigour(1.22, 0.08)))) == "Your dough is about 20 % faster than usual."
    assert str(say(said_of(Vigour(0.81, 0.08)))) == "Your dough is about 20 % slower than usual."
    assert not said_of(Vigour(1.01, 0.28))


@pytest.mark.parametrize(
    ("readings", "words"),
    [((4,), "slower"), ((4, 6), "is its leaven alive"), ((4, 6, 8), "alive"), ((4, 6, 8, 12), "is not alive")],
)
def test_a_dough_that_does_not_rise_is_asked_about_and_then_said_to_be_dead(cold, readings, words):
    found = follow(cold, *(Reading(at, "rise_eye", 0.0) for at in readings))
    assert words in str(say(found.told.sentence))
    assert found.times.bulk_end > cold.times.bulk_end


def test_the_longer_nothing_rises_the_less_the_leaven_is_believed_alive(cold):
    hours = (1, 2, 3, 4, 5, 6, 8, 10, 12)
    alone = [follow(cold, Reading(at, "rise_eye", 0.0)).told.vigour.likely for at in hours]
    assert all(later <= sooner + 1e-9 for sooner, later in pairwise(alone))
    each = [Reading(at, "rise_eye", 0.0) for at in hours]
    together = [follow(cold, *each[:count]).told.vigour.likely for count in range(1, len(each) + 1)]
    assert all(later <= sooner + 1e-9 for sooner, later in pairwise(together)) and together[-1] < 0.15


@pytest.mark.many
@pytest.mark.parametrize("at_h", [2, 4, 6, 9, 12])
@pytest.mark.parametrize("kind", ["rise_eye", "rise_box", "rise_jar"])
def test_a_lower_reading_never_speaks_for_a_livelier_leaven(cold, at_h, kind):
    believed = [follow(cold, Reading(at_h, kind, rise / 20)).told.vigour.likely for rise in range(-2, 32, 3)]
    assert all(one <= other + 1e-9 for one, other in pairwise(believed))


def test_one_mistaken_reading_does_not_throw_the_belief_away():
    foretold = lambda at_h: 0.12 * at_h * FACTORS  # noqa: E731
    good = tuple(Reading(float(at), "rise_jar", 0.12 * at) for at in (3, 4, 5))
    wrong = update((*good, Reading(6.0, "rise_jar", 2.5, sure=True)), foretold)
    assert wrong.likely == pytest.approx(update(good, foretold).likely, abs=0.15)


def test_marks_on_box_and_jar():
    box = on_box(2100, 0.6, 4)
    assert box.start == pytest.approx(2100 / 1.16) and box.target == pytest.approx(1.6 * box.start)
    assert "the 2.9 litre line" in str(say(box.sentence))
    assert rise_from_line(box.target, 2100) == pytest.approx(0.6)
    jar = in_jar(0.6, 40)
    assert rise_from_heights(jar.start, jar.target) == pytest.approx(0.6)
    assert not on_box(4000, 1.0, 4).fits
    with pytest.raises(CraftError):
        on_box(2000, 0.5, 0)


BULK = Bulk(makeup_of(LEVAIN), 1700, 25, 22)


@pytest.mark.parametrize(
    ("ask", "apply"),
    [
        (
            inverse.levain_for,
            lambda x: inverse.rise_after(replace(BULK, makeup=replace(BULK.makeup, levain_yeast=x / 100)), 7),
        ),
        (inverse.dough_c_for, lambda x: inverse.rise_after(replace(BULK, dough_c=x), 7)),
        (inverse.proofer_c_for, lambda x: inverse.rise_after(replace(BULK, room_c=x), 7)),
    ],
)
def test_a_question_turned_round_gives_back_its_answer(ask, apply):
    rise = inverse.rise_after(replace(BULK, room_c=21.5), 7)
    found = ask(BULK, rise, 7)
    assert apply(found.value) == pytest.approx(rise, abs=0.01) and found.leans_on


def test_how_long_in_the_room_before_the_fridge():
    found = inverse.room_h_before_fridge(BULK, 0.6, 16, 4)
    assert 1 < found.value < 8
    assert inverse.rise_after(BULK, 16, 4, found.value) == pytest.approx(0.6, abs=0.02)
    out = inverse.take_out_h(BULK, 0.6, 16, 4, 2)
    assert found.value < out.value < 16
    assert inverse.yeast_for(Bulk(makeup_of(YEASTED), 1700, 25, 22), 1.0, 4).value == pytest.approx(0.4, abs=0.35)


def test_what_cannot_be_reached_says_so():
    assert inverse.levain_for(BULK, 0.5, 0.5).value is None
    assert "not be there yet" in str(say(inverse.levain_for(BULK, 0.9, 1).sentence))
    with pytest.raises(CraftError):
        inverse.levain_for(BULK, 0.5, 1000)


@pytest.mark.parametrize(("formula", "least"), [(LEVAIN, 5), (YEASTED, 4)], ids=["levain", "yeast"])
def test_ways_are_the_styles_that_suit_each_planned_by_the_same_time(formula, least):
    found = {way.style: way for way in ways(question(wish(formula, "room", 62.5), KITCHEN, NOW))}
    assert len(found) >= least and {"room_steady", "warm_quick"} <= set(found)
    assert all(way.plan is not None and way.title and way.gives for way in found.values())
    for style, way in found.items():
        assert way.plan.asked.style == style
        assert way.plan.solved.parts[0].off_h == pytest.approx(0, abs=0.04) or way.plan.problems, style
    kinds = {style: {run.filled.place.name for run in way.plan.solved.runs} for style, way in found.items()}
    assert "fridge" not in kinds["room_steady"] and "oven_off" in kinds["warm_quick"]


def test_ways_keep_the_vessel_the_folds_and_the_pieces_for_later():
    own = replace(wish(LEVAIN, "room", 62.5), pieces=4, later_pieces=1, folds=2)
    found = ways(question(own, KITCHEN, NOW))
    assert len(found) >= 5 and all(way.plan is not None for way in found), [way.why_not for way in found]
    for way in found:
        first, later = way.plan.solved.parts
        assert (first.path.batch.pieces, later.path.batch.pieces) == (3, 1)
        assert first.bake.vessel == later.bake.vessel == own.vessel
        folds = [fold for run in (*way.plan.solved.trunk, *first.runs) for fold in run.folds]
        assert len(folds) <= 2


def test_shades_make_it_later_and_keep_the_clock(cold):
    shades = {shade.code: shade for shade in what_if(course(wish(), KITCHEN, NOW))}
    assert set(shades) == {"colder", "weaker", "late"}
    assert all(shade.share < cold.proof.share for shade in shades.values())
    assert shades["colder"].parts[0].points[0].at == cold.times.mix
    assert "By the clock it meets the oven at" in said(shades["weaker"].sentence)
    assert said(shades["colder"].title) == "Kitchen 3 K colder"


def test_drivers_come_by_weight():
    salty = replace(LEVAIN, salt_percent=3.5, preferments=(Preferment("levain", "strong_white", 9, 100),))
    drivers = why(course(replace(wish(), formula=salty), KITCHEN, NOW).solved).drivers
    weights = [abs(np.log(each.factor)) for each in drivers]
    assert said(drivers[0].name) == "Salt" and drivers[0].factor > 1.1
    assert weights == sorted(weights, reverse=True)


def test_a_batch_is_split_and_the_later_part_has_its_own_steps_and_target():
    whole = make_plan(replace(wish(proof="room", hours=26), pieces=4), KITCHEN, NOW)
    split = make_plan(replace(wish(proof="room", hours=26), pieces=4, later_pieces=2, later_days=2), KITCHEN, NOW)
    assert whole.outs == () and [part.pieces for part in split.outs] == [2, 2]
    assert split.totals.dough_g == whole.totals.dough_g and split.bake.loads <= whole.bake.loads
    first, later = split.outs
    assert later.out - first.out == timedelta(days=2)
    own = [step for step in split.steps if step.part == later.name]
    assert [step.kind for step in own if step.kind in ("chill", "out_of_fridge", "load", "out", "cut")] == [
        "chill", "out_of_fridge", "load", "out", "cut",
    ]  # fmt: skip
    assert {step.key for step in own} & {"load-101", "out-101"} == {"load-101", "out-101"}
    assert len({step.key for step in split.steps}) == len(split.steps)


def test_schools_stop_bulk_where_they_say(cold):
    early = make_plan(wish(school="early_cold"), KITCHEN, NOW).proof.bulk_rise
    classic = make_plan(wish(school="classic", proof="room"), KITCHEN, NOW).proof.bulk_rise
    assert 0.24 <= early <= 0.41 and 0.49 <= classic <= 0.76


def test_fewer_folds_hold_less_gas_and_say_so():
    few = make_plan(wish(folds=0), KITCHEN, NOW)
    assert few.fold_plan.count == 0 and "No folds" in said(few.fold_plan.sentence) and not steps_of(few, "fold")
    usual = make_plan(wish(), KITCHEN, NOW).fold_plan
    assert usual.count >= 3 and (usual.from_min, usual.to_min) == (10, 60)
    assert few.holds.bulk < make_plan(wish(), KITCHEN, NOW).holds.bulk


def test_days_more_in_the_fridge_are_added_to_its_hold():
    days = [make_plan(wish(hours=86.5, fridge_days=more), KITCHEN, NOW).proof.fridge_hours for more in (0, 1, 2)]
    assert 8 <= days[0] <= 18 and 32 <= days[1] <= 42 and 56 <= days[2] <= 66


def test_a_warm_place_is_where_levain_and_dough_stand():
    warm, plain = (make_plan(wish(proof="room", hours=30, stand_c=c), KITCHEN, NOW) for c in (27.0, None))
    assert warm.times.bulk_end - warm.times.mix < plain.times.bulk_end - plain.times.mix
    assert warm.levains[0].wanted - warm.levains[0].at < plain.levains[0].wanted - plain.levains[0].at
    assert warm.water.water_c == pytest.approx(plain.water.water_c, abs=3), "the flour stands in the kitchen"
