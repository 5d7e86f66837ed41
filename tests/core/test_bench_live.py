"""A dough at the bench: what was done, late, early or not at all moves what comes later; clashes and their remedies."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta

import pytest

from gentle_crust.core.bench.clashes import Absence, Hands, Taken, clashes
from gentle_crust.core.bench.happened import Deed, Happened, Held, check_order
from gentle_crust.core.bench.remedies import Change, changed, remedies, rescues
from gentle_crust.core.clock import Nights, Room, Stand
from gentle_crust.core.course.believed import Read
from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.readings import Looked
from gentle_crust.core.formula.model import Extra, FlourShare, Formula, Preferment
from gentle_crust.core.messages import message
from gentle_crust.core.oven.equipment import Oven, Vessel
from tests.plans import Bench, Wish, kitchen, said

NOW = datetime(2026, 11, 28, 6, 0, tzinfo=UTC)
MIN = timedelta(minutes=1)
LEVAIN = Formula(
    "Loaf", (FlourShare("strong_white", 90), FlourShare("whole_wheat", 10)), 75, 2, "boule",
    preferments=(Preferment("levain", "strong_white", 10, 100),),
)  # fmt: skip
YEASTED = Formula("Tin", (FlourShare("strong_white", 100),), 65, 2, "pan_loaf", (Extra("Oil", "oil", 3),), (), 0.8)
KITCHEN = kitchen("UTC", Room(23, 19, 4.5), Nights(22.5, 6.0), Oven("electric", 250), tap_c=14)


def wish(formula=LEVAIN, proof="room", hours=13.0, **more) -> Wish:
    vessel = Vessel("p", "lidded_cast_iron", "Pot", 2) if formula is LEVAIN else Vessel("t", "tin", "Tin", 2)
    return Wish(formula, 2, 850, NOW + timedelta(hours=hours), proof, vessel, 25, **more)


def bench(asked: Wish) -> Bench:
    return Bench(asked, KITCHEN, NOW)


@pytest.fixture(scope="module")
def room():
    return bench(wish())


@pytest.fixture(scope="module")
def cold():
    return bench(wish(proof="cold", hours=25.5))


def due(found, key):
    return next(step for step in found.steps if step.key == key)


def minutes(later, earlier):
    return (later - earlier) / MIN


def test_all_done_on_time_the_plan_stays_as_it_is(room):
    happened = room.begun()
    found = room.at(happened.done("mix-1"), happened)
    for key in ("fold-1", "divide-1", "shape-1", "preheat-1", "load-1", "out-1", "cut-1"):
        assert abs(minutes(due(found, key).at, room.step(key).at)) < 6, key
    assert found.next.key == "fold-1" and due(found, "mix-1").state == "done"
    assert due(found, "levain-1").state == "done"


def test_mixed_late_everything_after_it_comes_later(room):
    late = room.at(room.begun(45).done("mix-1"), room.begun(45))
    for key in ("fold-1", "divide-1", "load-1", "out-1"):
        assert minutes(due(late, key).at, room.step(key).at) == pytest.approx(45, abs=9), key


def test_not_mixed_yet_it_is_due_since_the_plan_said_and_the_rest_waits_for_now(room):
    at = room.step("mix-1").at + 30 * MIN
    found = room.at(at, Happened((room.deed("levain-1"), room.deed("autolyse-1"))))
    assert found.next.key == "mix-1" and found.next.state == "due"
    assert abs(minutes(found.next.at, room.step("mix-1").at)) < 2
    assert minutes(due(found, "divide-1").at, room.step("divide-1").at) == pytest.approx(30, abs=8)


def test_a_levain_built_late_delays_the_mixing(room):
    happened = Happened((room.deed("levain-1", 60),))
    found = room.at(happened.done("levain-1"), happened)
    assert minutes(due(found, "mix-1").at, room.step("mix-1").at) == pytest.approx(65, abs=6)


def test_a_late_fold_pushes_the_next_only_as_far_as_it_must_and_one_left_out_pushes_none(room):
    happened = replace(room.begun(), deeds=(*room.begun().deeds, room.deed("fold-1", 25)))
    found = room.at(happened.done("fold-1"), happened)
    gap = minutes(room.step("fold-2").at, room.step("fold-1").at)
    assert minutes(due(found, "fold-2").at, happened.done("fold-1")) >= 0.6 * gap
    assert minutes(due(found, "fold-3").at, room.step("fold-3").at) < 25
    left = replace(room.begun(), deeds=(*room.begun().deeds, room.deed("fold-1", 0, skipped=True)))
    found = room.at(left.deeds[-1].at, left)
    assert due(found, "fold-1").state == "skipped" and found.next.key == "fold-2"
    assert abs(minutes(due(found, "fold-2").at, room.step("fold-2").at)) < 2


def test_an_extra_fold_costs_gas_and_stays_on_record(room):
    at = room.step("fold-4").at + 75 * MIN
    folded = (*room.begun().deeds, *(room.deed(f"fold-{number}") for number in (1, 2, 3, 4)))
    plain = room.at(at, Happened(folded))
    happened = Happened((*folded, Deed("extra_fold-a", at)))
    more = room.at(at, happened)
    assert due(more, "extra_fold-a").state == "done"
    assert due(more, "divide-1").at > due(plain, "divide-1").at


def test_divided_early_the_proof_takes_longer(room):
    early = room.step("divide-1").at - 60 * MIN
    happened = replace(room.begun(), deeds=(*room.begun().deeds, Deed("divide-1", early)))
    found = room.at(early, happened)
    assert all(due(found, key).state in ("done", "skipped") for key in ("fold-1", "fold-2", "fold-3"))
    proof = minutes(due(found, "load-1").at, due(found, "shape-1").at)
    planned = minutes(room.step("load-1").at, room.step("shape-1").at)
    assert proof > planned + 15


def test_a_slow_dough_by_its_reading_comes_later_and_a_fast_one_sooner(room):
    mixed = room.saved.times.mix
    at = mixed + 180 * MIN
    slow, fast = (room.at(at, room.begun(), [Read(at, "rise_box", rise)]) for rise in (0.0, 0.36))
    assert due(slow, "divide-1").at > room.step("divide-1").at + 10 * MIN
    assert due(fast, "divide-1").at < room.step("divide-1").at - 10 * MIN
    assert "slower" in said(slow.plan.told.sentence) and "faster" in said(fast.plan.told.sentence)


def test_what_was_seen_moves_the_belief_as_a_reading_does(room):
    mixed, rises = room.saved.times.mix, (0.2, 0.35, 0.6, 0.9)
    early = Looked(3.5, rises, (0.7, 0.2, 0.05, 0.03, 0.02))
    late = Looked(3.5, rises, (0.02, 0.05, 0.2, 0.5, 0.4))
    slow, fast = (room.at(mixed + 210 * MIN, room.begun(), looked=[look]) for look in (early, late))
    assert slow.plan.told.vigour.likely < 0.95 < 1.05 < fast.plan.told.vigour.likely
    assert due(slow, "divide-1").at > due(fast, "divide-1").at


def test_not_yet_holds_a_step_back_until_it_is_looked_at_again(room):
    at = room.step("divide-1").at
    held = replace(room.begun(), held=(Held("divide-1", at, at + 40 * MIN),))
    assert due(room.at(at, held), "divide-1").at >= at + 40 * MIN


def test_a_levain_held_back_moves_the_mixing_and_a_rest_held_back_does_too(room):
    for key, started in (("levain-1", Happened()), ("autolyse-1", Happened((room.deed("levain-1"),)))):
        at = room.step(key).at
        plain, held = (room.at(at, each) for each in (started, replace(started, held=(Held(key, at, at + 90 * MIN),))))
        assert minutes(due(held, "mix-1").at, due(plain, "mix-1").at) == pytest.approx(90, abs=10), key
        assert minutes(due(held, key).at, at) == pytest.approx(90, abs=1)


def test_started_in_the_evening_a_plan_for_the_morning_is_offered_for_another_day(cold):
    now = NOW.replace(hour=18)
    found = cold.at(now, Happened())
    assert {each.code for each in clashes(found, cold.clock, (), (), now)} & {"asleep", "under_proofed", "over_proofed"}
    ways = remedies(found, cold.clock, 4.5, now, _attempt(cold, Happened(), now))
    waits = [way for way in ways if way.change.code == "wait"]
    assert waits and waits[0].change.key == "levain-1" and waits[0].out > cold.saved.out + timedelta(hours=6)
    assert not clashes(cold.at(now, changed(Happened(), waits[0].change)), cold.clock, (), (), now)


def test_the_oven_forgotten_the_loaf_waits_for_it(room):
    done = [room.deed(key) for key in ("levain-1", "mix-1", "divide-1", "shape-1")]
    at = room.step("load-1").at
    found = room.at(at, Happened(tuple(done)))
    assert due(found, "preheat-1").state == "due"
    assert minutes(found.plan.times.load, at) >= found.plan.bake.preheat_min - 1
    hot = room.at(at, Happened((*done, room.deed("preheat-1"))))
    assert minutes(hot.plan.times.load, at) < 20


def test_loaded_the_bake_follows_the_real_time(room):
    keys_ = ("levain-1", "mix-1", "divide-1", "shape-1", "preheat-1")
    done = [room.deed(key) for key in keys_]
    loaded = Deed("load-1", room.step("load-1").at + 17 * MIN)
    found = room.at(loaded.at, Happened((*done, loaded)))
    steam = found.plan.bake.stages[0].minutes
    assert minutes(due(found, "uncover-1").at, loaded.at) == pytest.approx(steam)
    assert minutes(due(found, "out-1").at, loaded.at) == pytest.approx(found.plan.bake.minutes)
    assert found.standing.stage == "baked"
    out = Deed("out-1", due(found, "out-1").at + 6 * MIN)
    after = room.at(out.at, Happened((*done, loaded, out)))
    assert minutes(due(after, "cut-1").at, out.at) == pytest.approx(after.plan.bake.cool_min)


def test_the_stage_it_is_judged_at(room):
    mixed = room.saved.times.mix
    assert room.at(mixed + 30 * MIN, room.begun()).standing.stage == "gluten"
    bulk = room.at(mixed + 180 * MIN, room.begun()).standing
    assert bulk.stage == "bulk" and bulk.share.low < bulk.share.likely < bulk.share.high
    assert bulk.pace.ready_min > 30
    done = Happened((*room.begun().deeds, room.deed("divide-1"), room.deed("shape-1")))
    proof = room.at(room.step("shape-1").at + 90 * MIN, done).standing
    assert proof.stage == "final_proof" and 0.6 < proof.share.likely < 0.9
    before = room.at(room.step("levain-1").at + 120 * MIN, Happened((room.deed("levain-1"),))).standing
    assert before.stage == "culture"


def test_a_cold_proof_keeps_its_hour_in_the_oven_though_bulk_ran_late(cold):
    late = cold.begun(40)
    found = cold.at(late.done("mix-1"), late)
    assert minutes(due(found, "load-1").at, cold.step("load-1").at) == pytest.approx(0, abs=2)
    assert due(found, "chill-1").at > cold.step("chill-1").at


def test_a_warm_place_hurries_and_a_cool_one_slows(room):
    at = room.saved.times.mix + 60 * MIN
    stood = {c: room.at(at, replace(room.begun(), stands=(Stand(at, None, c),))) for c in (18.0, 27.0)}
    plain = room.at(at, room.begun())
    assert (
        said(due(stood[27.0], "move-1").title) == "Put it somewhere warm" and due(stood[18.0], "move-1").state == "due"
    )
    assert due(stood[27.0], "divide-1").at < due(plain, "divide-1").at < due(stood[18.0], "divide-1").at


def _evening():
    """A dough mixed so late that it would be ready in the night."""
    dough = bench(wish(hours=13.0))
    happened = Happened((dough.deed("levain-1", 180), dough.deed("mix-1", 240)))
    now = happened.done("mix-1") + 60 * MIN
    return dough, happened, now


def _attempt(bench, happened, now, absences=(), others=()):
    def attempt(change):
        after = changed(happened, change)
        found = bench.at(now, after)
        return found, clashes(found, bench.clock, absences, others, now)

    return attempt


def test_a_dough_that_would_be_ready_at_night_says_so_with_two_ways_out_that_hold():
    dough, happened, now = _evening()
    found = dough.at(now, happened)
    hit = clashes(found, dough.clock, (), (), now)
    assert [each.code for each in hit] == ["asleep"]
    ways = remedies(found, dough.clock, 4.5, now, _attempt(dough, happened, now))
    assert len(ways) == 2
    for way in ways:
        after = dough.at(now, changed(happened, way.change))
        assert not clashes(after, dough.clock, (), (), now)
        assert ":" in said(way.sentence) and way.out == after.plan.out
    assert len({way.change.code for way in ways}) == 2


def test_away_another_dough_and_the_oven_are_clashes_too(room):
    happened = room.begun()
    now = happened.done("mix-1")
    found = room.at(now, happened)
    fold, load = due(found, "fold-2").at, due(found, "load-1").at
    away = clashes(found, room.clock, (Absence(fold - MIN, fold + MIN),), (), now)
    assert [each.code for each in away] == ["away"] and said(away[0].sentence).startswith("While you are away: fold at")
    shape = due(found, "shape-1").at
    hands = Hands(message("course-step-shape"), shape, shape + 15 * MIN)
    other = Taken("Tin", (hands,), ((load - 20 * MIN, load + 10 * MIN),))
    codes = {each.code for each in clashes(found, room.clock, (), (other,), now)}
    assert codes == {"hands", "oven"}
    ways = remedies(found, room.clock, 4.5, now, _attempt(room, happened, now, others=(replace(other, hands=()),)))
    assert ways and all(way.out > load for way in ways)


def test_over_proofed_it_is_folded_again_or_baked_flat(room):
    done = [room.deed(key) for key in ("levain-1", "mix-1", "divide-1", "shape-1", "preheat-1")]
    now = room.step("load-1").at + 150 * MIN
    happened = Happened(tuple(done))
    found = room.at(now, happened)
    assert any(each.code == "over_proofed" for each in clashes(found, room.clock, (), (), now))
    fold, flat = rescues(found, now, _attempt(room, happened, now))
    assert fold.change.code == "reshape" and flat.change.code == "flatbread"
    again = room.at(now, changed(happened, fold.change))
    assert again.plan.times.load > now + 20 * MIN
    assert again.standing.rise < found.standing.rise
    assert again.next.key == "reshape-1" and again.next.state == "due"
    baked_flat = room.at(now, changed(happened, flat.change))
    assert baked_flat.plan.bake.minutes < found.plan.bake.minutes


def test_yeasted_dough_in_a_tin_goes_the_whole_way():
    dough = bench(wish(YEASTED, hours=8.0))
    happened, seen = Happened(), []
    now = dough.saved.begins
    for _ in range(24):
        found = dough.at(now, happened)
        if found.next is None:
            break
        seen.append(found.next.key)
        now = max(now, found.next.at + found.next.minutes * MIN)
        happened = replace(happened, deeds=(*happened.deeds, Deed(found.next.key, now)))
    assert found.over and found.next is None
    assert seen == ["autolyse-1", "mix-1", "divide-1", "preshape-1", "shape-1", "preheat-1", "score-1", "load-1",
                    "swap-1", "out-1", "cut-1"]  # fmt: skip
    assert abs(minutes(dough.step("out-1").at, next(d.at for d in happened.deeds if d.key == "out-1"))) < 40


@pytest.mark.parametrize(
    "deeds",
    [
        (Deed("mix-1", NOW + 60 * MIN), Deed("divide-1", NOW + 30 * MIN)),
        (Deed("shape-1", NOW + 60 * MIN), Deed("load-1", NOW + 59 * MIN)),
        (Deed("mix-1", NOW + 300 * MIN),),
    ],
)
def test_an_impossible_order_is_refused(deeds):
    with pytest.raises(CraftError) as error:
        check_order(Happened(deeds), NOW + 120 * MIN, ("mix-1", "divide-1", "shape-1", "load-1"))
    assert error.value.field == "at"


def test_a_change_without_its_figure_is_refused():
    for change in (Change("warm", NOW), Change("chill", NOW)):
        with pytest.raises(CraftError):
            changed(Happened(), change)
