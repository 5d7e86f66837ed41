"""Doughs at the bench in every style, and in parts: each goes its whole way, pressed stage by stage."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta

import pytest

from gentle_crust.core.bench.happened import Deed, Happened, Held, milestones_of
from gentle_crust.core.clock import Nights, Room
from gentle_crust.core.formula.model import FlourShare, Formula, Preferment
from gentle_crust.core.oven.equipment import Oven, Vessel
from tests.plans import Bench, Wish, kitchen

NOW = datetime(2026, 11, 28, 6, 0, tzinfo=UTC)
MIN = timedelta(minutes=1)
WHITE = (FlourShare("strong_white", 100),)
LEVAIN = Formula("Loaf", WHITE, 74, 2, "boule", (), (Preferment("levain", "strong_white", 12, 100),))
POOLISH = Formula("Slippers", WHITE, 78, 2, "slipper", (), (Preferment("poolish", "strong_white", 30, 100, 0.1),), 0.2)
ROUNDS = Formula("Rounds", WHITE, 66, 2.4, "flat_round", yeast_percent=0.2)
TIN = Formula("Tin", WHITE, 65, 2, "pan_loaf", yeast_percent=0.9)
POTS, STONE, TINS = (
    Vessel("p", "lidded_cast_iron", "Pot", 2),
    Vessel("s", "stone", "Stone"),
    Vessel("t", "tin", "Tin", 2),
)
KITCHEN = kitchen("UTC", Room(22, 19, 4), Nights(22.5, 6.0), Oven("electric", 250))
STYLES = [
    ("room_steady", LEVAIN, POTS, 26), ("warm_quick", LEVAIN, POTS, 26), ("cold_shaped", LEVAIN, POTS, 37),
    ("cold_bulk", LEVAIN, POTS, 60), ("overnight_room", LEVAIN, POTS, 37), ("cold_start", LEVAIN, POTS, 37),
    ("poolish_straight", POOLISH, STONE, 30), ("cold_balls", ROUNDS, STONE, 60), ("tin_knock_back", TIN, TINS, 12),
    ("tin_once", TIN, TINS, 10),
]  # fmt: skip


def dough(style, formula, vessel, hours, **more) -> Bench:
    weight = 240 if formula is ROUNDS else 450 if formula is POOLISH else 850
    wish = Wish(formula, 2, weight, NOW + timedelta(hours=hours), "room", vessel, 25, style=style, **more)
    return Bench(wish, KITCHEN, NOW)


def goes_its_way(bench: Bench, late=timedelta(0)) -> dict[str, datetime]:
    """Whatever is next is done when it is due, or so much later; when each was done."""
    happened, now = Happened(), bench.saved.begins
    for _ in range(60):
        found = bench.at(now, happened)
        if found.over:
            return {deed.key: deed.at for deed in happened.deeds}
        step = found.next
        now = max(now, step.at + step.minutes * MIN + late)
        happened = replace(happened, deeds=(*happened.deeds, Deed(step.key, now)))
    raise AssertionError(f"never over: {[deed.key for deed in happened.deeds]}")


@pytest.mark.parametrize(("style", "formula", "vessel", "hours"), STYLES, ids=[row[0] for row in STYLES])
def test_a_dough_in_any_style_is_baked_as_it_was_planned(style, formula, vessel, hours):
    bench = dough(style, formula, vessel, hours)
    done = goes_its_way(bench)
    out = max(at for key, at in done.items() if key.startswith("out-"))
    assert abs(out - bench.saved.out) < 45 * MIN
    planned = {step.key for step in bench.saved.steps}
    assert {key for key in planned if not key.startswith("fold")} <= set(done), "every step of the plan was asked for"
    assert list(done.values()) == sorted(done.values())


@pytest.mark.parametrize("style", ["cold_shaped", "cold_bulk"])
def test_late_by_a_quarter_of_an_hour_at_each_step_the_fridge_gives_it_back(style):
    row = next(row for row in STYLES if row[0] == style)
    bench = dough(*row)
    done = goes_its_way(bench, 15 * MIN)
    assert abs(done["out-1"] - bench.saved.out) < 100 * MIN
    cold = next(step for step in bench.saved.steps if step.kind == "chill")
    assert done["chill-1"] > cold.at


def test_a_cold_bulk_is_in_bulk_in_the_fridge_and_waits_there_until_it_is_taken_out():
    bench = dough("cold_bulk", LEVAIN, POTS, 60)
    chilled = bench.with_done(bench.begun(), bench.deed("chill-1"))
    at = bench.step("chill-1").at + timedelta(hours=6)
    found = bench.at(at, chilled)
    assert found.standing.stage == "bulk" and found.standing.dough_c < 12
    keys = [step.key for step in found.steps if step.state in ("due", "coming")]
    assert keys[0] == "out_of_fridge-1" and "divide-1" in keys
    assert milestones_of(bench.saved.steps).index("chill-1") < milestones_of(bench.saved.steps).index("divide-1")


def test_slippers_without_a_proof_are_loaded_as_soon_as_they_are_cut():
    bench = dough("poolish_straight", POOLISH, STONE, 30)
    done = (
        bench.deed("preferment-1"),
        bench.deed("mix-1"),
        bench.deed("preheat-1"),
        bench.deed("steam_in-1"),
        bench.deed("divide-1"),
    )
    found = bench.at(bench.deed("divide-1").at, Happened(done))
    load = next(step for step in found.steps if step.key == "load-1")
    assert found.next.key == "load-1" and abs(load.at - bench.step("load-1").at) < 3 * MIN
    assert found.standing.stage == "final_proof" and found.standing.rise is None


def test_parts_have_steps_of_their_own_and_the_later_one_ends_by_itself():
    bench = dough("room_steady", LEVAIN, POTS, 26, later_pieces=1, later_days=1)
    first, later = bench.saved.outs
    done = goes_its_way(bench)
    assert abs(done["out-1"] - first.out) < 40 * MIN and abs(done["out-101"] - later.out) < 40 * MIN
    assert done["chill-101"] < done["load-1"] < done["out_of_fridge-101"] < done["load-101"]
    baked = bench.at(done["cut-1"], Happened(tuple(Deed(k, at) for k, at in done.items() if at <= done["cut-1"])))
    assert not baked.over and baked.next.key.endswith("101")


def test_not_yet_at_the_fridge_door_holds_the_dough_where_it_is():
    bench = dough("cold_shaped", LEVAIN, POTS, 37)
    at = bench.step("load-1").at
    happened = bench.with_done(
        bench.begun(), *(bench.deed(key) for key in ("divide-1", "shape-1", "chill-1", "preheat-1"))
    )
    held = replace(happened, held=(Held("load-1", at, at + 50 * MIN),))
    found = bench.at(at, held)
    assert next(step.at for step in found.steps if step.key == "load-1") >= at + 49 * MIN
    assert found.plan.out >= bench.saved.out + 45 * MIN


def test_a_step_left_out_does_not_happen_and_what_follows_comes_sooner():
    bench = dough("room_steady", LEVAIN, POTS, 26)
    at = bench.deed("divide-1").at
    plain = bench.at(at, bench.with_done(bench.begun(), bench.deed("divide-1")))
    happened = bench.with_done(bench.begun(), bench.deed("divide-1"), Deed("preshape-1", at, skipped=True))
    found = bench.at(at, happened)
    shape = {
        name: next(step.at for step in each.steps if step.key == "shape-1")
        for name, each in (("plain", plain), ("left", found))
    }
    assert shape["left"] < shape["plain"]
    assert next(step.state for step in found.steps if step.key == "preshape-1") == "skipped"
