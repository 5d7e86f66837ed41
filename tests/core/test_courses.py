"""Eighteen courses as bakers do them: each is planned, by the clock, with the words and cautions of what it is."""

import json
from datetime import datetime, timedelta
from itertools import pairwise
from typing import Any

import pytest

from gentle_crust.interchange.plan_json import answer, styles_told
from tests.courses import COOL, DIVIDE, LEVAIN, MIX, READY, SHAPE, asked, courses, formula, levain

ANSWERS: dict[str, dict[str, Any]] = {}
STAGE_KEYS = {
    "part", "number", "kind", "id", "place", "at", "ends", "minutes", "dough_c", "rise", "share", "filled",
}  # fmt: skip
STEP_KEYS = {"part", "stage", "step", "number", "of", "at", "minutes", "cautions", "amount", "text"}
NAMES = list(courses())


def planned(name: str) -> dict[str, Any]:
    """The plan of a course by the beginning of its name; each is made once."""
    full = next(each for each in NAMES if each.split()[0] == name)
    if full not in ANSWERS:
        ANSWERS[full] = answer(json.dumps(courses()[full]))
    return ANSWERS[full]


def stage(plan: dict[str, Any], id_: str) -> dict[str, Any]:
    """A stage by its id."""
    found: dict[str, Any] = next(each for each in plan["stages"] if each["id"] == id_)
    return found


def steps(plan: dict[str, Any], kind: str, part: str | None = None) -> list[dict[str, Any]]:
    """Steps of one kind, of one part if it is named."""
    return [each for each in plan["steps"] if each["step"] == kind and part in (None, each["part"])]


def at(record: dict[str, Any], key: str = "at") -> datetime:
    """A time of a stage or step."""
    return datetime.fromisoformat(record[key])


def minutes_between(one: dict[str, Any], other: dict[str, Any]) -> float:
    """From one step to another."""
    return (at(other) - at(one)).total_seconds() / 60


@pytest.mark.parametrize("name", [each.split()[0] for each in NAMES])
def test_each_course_is_planned_without_a_problem_and_ends_when_it_is_wanted(name: str) -> None:
    plan = planned(name)
    question = next(each for key, each in courses().items() if key.split()[0] == name)
    assert [each["code"] for each in plan["problems"]] == []
    ready = question["ready"]
    for part, out in plan["out"].items():
        wanted = datetime.fromisoformat(ready[part] if isinstance(ready, dict) else ready)
        assert abs((datetime.fromisoformat(out) - wanted).total_seconds()) <= 60, part
    assert all(set(each) == STAGE_KEYS for each in plan["stages"])
    assert all(set(each) == STEP_KEYS for each in plan["steps"])
    times = [each["at"] for each in plan["steps"]]
    assert times == sorted(times) and plan["begins"] == times[0]
    assert {each["stage"] for each in plan["steps"]} <= {each["id"] for each in plan["stages"]}


@pytest.mark.parametrize("name", [each.split()[0] for each in NAMES])
def test_stages_of_a_part_follow_one_another_without_a_gap(name: str) -> None:
    plan = planned(name)
    beside = ("levain", "feed", "preferment", "soak", "scald")
    for part in plan["out"]:
        own = [each for each in plan["stages"] if each["part"] in ("", part) and each["kind"] not in beside]
        own.sort(key=lambda each: each["number"])
        for before, after in pairwise(own):
            assert abs(at(after) - at(before, "ends")) <= timedelta(seconds=2), (before["id"], after["id"])


def test_a_shaped_loaf_stays_ten_to_fourteen_hours_in_the_fridge() -> None:
    plan = planned("1")
    assert stage(plan, "bulk")["rise"]["likely"] == pytest.approx(0.45, abs=0.01)
    assert 600 <= stage(plan, "proof")["minutes"] <= 840
    assert 0.71 <= stage(plan, "proof")["share"]["likely"] <= 0.82
    assert len(steps(plan, "chill")) == 1
    assert not steps(plan, "out_of_fridge"), "it goes from the fridge into the pot"
    assert "sling" in steps(plan, "load")[0]["text"]


def test_a_cold_bulk_is_divided_after_a_day_or_two_and_warmed_for_an_hour() -> None:
    plan = planned("2")
    assert 24 * 60 <= stage(plan, "bulk-2")["minutes"] <= 48 * 60
    assert stage(plan, "warm_up")["minutes"] == 60
    assert stage(plan, "bulk-2")["dough_c"]["to"] == pytest.approx(4, abs=0.5)
    assert stage(plan, "warm_up")["dough_c"]["from"] < stage(plan, "warm_up")["dough_c"]["to"] < 19
    order = [each["step"] for each in plan["steps"] if each["step"] in ("chill", "out_of_fridge", "divide", "shape")]
    assert order == ["chill", "out_of_fridge", "divide", "shape"]


def test_three_rounds_today_and_two_tomorrow_each_with_their_own_steps() -> None:
    plan = planned("3")
    assert 16 * 60 <= stage(plan, "bulk-2")["minutes"] <= 36 * 60
    assert 18 * 60 <= stage(plan, "keep")["minutes"] <= 30 * 60
    for part in ("today", "tomorrow"):
        assert [len(steps(plan, kind, part)) for kind in ("shape", "load", "out", "preheat")] == [1, 1, 1, 1], part
    assert stage(plan, "warm_up")["dough_c"]["to"] == pytest.approx(18, abs=0.2)
    assert stage(plan, "warm_up-2")["dough_c"]["to"] == pytest.approx(18, abs=0.2)
    assert len(steps(plan, "divide")) == 1
    assert steps(plan, "divide")[0]["text"].startswith("5 pieces")
    for proof, least in (("proof", 20), ("proof-2", 5)):
        assert 0.77 <= stage(plan, proof)["share"]["likely"] <= 0.86
        assert stage(plan, proof)["minutes"] >= least, "what was kept a day has risen while it was cold"
    chills = [each["part"] for each in steps(plan, "chill")]
    assert chills == ["", "tomorrow"]


@pytest.mark.parametrize(("name", "days"), [("4a", 2), ("4b", 4)])
def test_balls_stay_cold_for_days_and_are_opened_topped_and_never_scored(name: str, days: int) -> None:
    plan = planned(name)
    assert 24 * days - 3 <= stage(plan, "keep")["minutes"] / 60 <= 24 * days + 3
    assert 120 <= stage(plan, "warm_up")["minutes"] <= 300
    assert not steps(plan, "score") and not steps(plan, "cut")
    assert "top" in steps(plan, "finish")[0]["text"]
    assert "blades" not in {code for each in plan["steps"] for code in each["cautions"]}
    assert plan["bake"][""]["steam"] == []


def test_a_dough_mixed_in_the_evening_has_doubled_by_the_morning_and_bakes_from_a_cold_oven() -> None:
    plan = planned("5")
    bulk = stage(plan, "bulk")
    assert at(steps(plan, "mix")[0]).hour in range(18, 23)
    assert at(bulk, "ends").hour in range(5, 10)
    assert bulk["rise"]["likely"] == pytest.approx(1.0, abs=0.02)
    assert 240 <= stage(plan, "proof")["minutes"] <= 540
    assert plan["bake"][""]["vessel"]["preheated"] is False and plan["bake"][""]["preheat"]["minutes"] == 0
    assert not steps(plan, "preheat")
    assert all(at(each).hour < 23 for each in steps(plan, "fold")), "nobody gets up for a fold that nobody asked for"


def test_a_yeasted_round_proofs_half_an_hour_to_an_hour_inside_its_target() -> None:
    plan = planned("6")
    assert 30 <= stage(plan, "proof")["minutes"] <= 70
    assert 0.78 <= stage(plan, "proof")["share"]["likely"] <= 0.85


def test_a_tin_loaf_is_kneaded_knocked_back_once_and_proofed_to_its_target() -> None:
    plan = planned("7")
    assert steps(plan, "knead")[0]["minutes"] == 12
    assert len(steps(plan, "knock_back")) == 1 and not steps(plan, "fold")
    assert stage(plan, "rest")["rise"]["likely"] < stage(plan, "bulk")["rise"]["likely"]
    assert 0.88 <= stage(plan, "proof")["share"]["likely"] <= 0.93
    assert "tin" in steps(plan, "load")[0]["text"].lower() and "basket" not in steps(plan, "shape")[0]["text"]


def test_slippers_from_a_ripe_poolish_go_straight_to_the_oven() -> None:
    plan = planned("8")
    kinds = [each["kind"] for each in plan["stages"]]
    assert "proof" not in kinds and "shape" not in kinds
    assert "cut" in steps(plan, "divide")[0]["text"]
    assert minutes_between(steps(plan, "divide")[0], steps(plan, "load")[0]) <= 10
    assert not steps(plan, "score")
    assert at(stage(plan, "preferment"), "ends") == at(stage(plan, "mix"))
    assert 10 * 60 <= stage(plan, "preferment")["minutes"] <= 16 * 60


def test_a_very_wet_dough_is_folded_in_the_bowl_then_lifted_every_twenty_five_minutes() -> None:
    plan = planned("9")
    folds = steps(plan, "fold")
    assert len(folds) == 5 and [each["of"] for each in folds] == [5] * 5
    mixed = datetime.fromisoformat(stage(plan, "bulk")["at"])
    assert [(at(each) - mixed).total_seconds() / 60 for each in folds] == pytest.approx([25, 50, 75, 100, 125], abs=0.1)
    assert "round the bowl" in folds[1]["text"] and "middle" in folds[2]["text"]
    assert 90 <= stage(plan, "proof")["minutes"] <= 150


def test_sticks_from_a_sponge_on_the_warmest_shelf_change_trays_half_way() -> None:
    plan = planned("10")
    sponge = stage(plan, "preferment")
    assert sponge["place"] == "fridge" and 12 * 60 <= sponge["minutes"] <= 30 * 60
    assert sponge["dough_c"]["to"] == pytest.approx(6, abs=0.6), "a shelf two degrees warmer than the middle"
    load, swap, out = steps(plan, "load")[0], steps(plan, "swap")[0], steps(plan, "out")[0]
    assert minutes_between(load, swap) == pytest.approx(minutes_between(load, out) / 2, abs=1.5)
    assert "hot_iron" in swap["cautions"]


def test_tiny_yeast_takes_thirteen_to_fifteen_hours_in_a_cool_kitchen() -> None:
    plan = planned("11")
    bulk = stage(plan, "bulk")
    assert 13 * 60 <= bulk["minutes"] <= 15 * 60
    assert bulk["rise"]["likely"] == pytest.approx(0.6, abs=0.1)
    assert stage(plan, "proof")["minutes"] == 50


def test_one_dough_kneaded_and_one_folded_go_into_the_oven_together() -> None:
    plan = planned("12")
    assert not steps(plan, "fold", "machine") and len(steps(plan, "fold", "folded")) == 4
    assert steps(plan, "load", "machine")[0]["at"] == steps(plan, "load", "folded")[0]["at"]
    assert len(steps(plan, "preheat")) == 1, "one oven is heated once"


def test_slippers_on_the_steel_and_on_a_tray_are_one_load() -> None:
    plan = planned("13")
    assert steps(plan, "load", "steel")[0]["at"] == steps(plan, "load", "tray")[0]["at"]
    assert plan["bake"]["steel"]["vessel"]["kind"] == "steel" and plan["bake"]["tray"]["vessel"]["kind"] == "tray"
    assert plan["bake"]["steel"]["stages"] == plan["bake"]["tray"]["stages"]
    assert plan["bake"]["steel"]["vessel"]["preheated"] is True
    assert plan["bake"]["tray"]["vessel"]["preheated"] is False
    assert len(steps(plan, "vent")) == 1


def test_stones_and_towels_go_in_are_poured_and_come_out_by_steps() -> None:
    plan = planned("14")
    into = {each["amount"]["what"]: each for each in steps(plan, "steam_in")}
    out = {each["amount"]["what"]: each for each in steps(plan, "steam_out")}
    load = steps(plan, "load")[0]
    assert set(into) == {"stones", "towels", "water"} and {"stones", "towels"} <= set(out)
    assert minutes_between(steps(plan, "preheat")[0], into["stones"]) == 0
    assert minutes_between(into["towels"], load) == 15 and into["towels"]["amount"]["g"] == 300
    assert 0 <= minutes_between(load, into["water"]) <= 2 and into["water"]["amount"]["g"] == 400
    assert "steam_water" in into["water"]["cautions"] and "steam_water" not in into["stones"]["cautions"]
    assert minutes_between(load, out["stones"]) > 5


def test_a_hot_lid_on_a_cold_pot() -> None:
    plan = planned("15")
    assert plan["bake"][""]["vessel"]["preheated"] == "lid"
    assert "only the lid" in steps(plan, "preheat")[0]["text"]
    assert "cold pot" in steps(plan, "load")[0]["text"]


def test_a_wood_fired_oven_is_fired_raked_out_tried_and_the_loaf_turned() -> None:
    plan = planned("16")
    order = [
        each["step"] for each in plan["steps"] if each["step"] in ("fire", "rake_out", "test_floor", "load", "turn")
    ]
    assert order == ["fire", "rake_out", "test_floor", "load", "turn"]
    assert not steps(plan, "preheat") and not steps(plan, "set_oven")
    assert minutes_between(steps(plan, "rake_out")[0], steps(plan, "load")[0]) == pytest.approx(40, abs=1)
    assert "wood" in steps(plan, "fire")[0]["cautions"]


def test_twelve_rolls_on_two_trays_are_baked_at_once() -> None:
    plan = planned("18")
    assert len(steps(plan, "load")) == 1 and len(steps(plan, "swap")) == 1
    assert not steps(plan, "score") or "blades" in steps(plan, "score")[0]["cautions"]
    assert 0.86 <= stage(plan, "proof")["share"]["likely"] <= 0.92


def test_the_styles_are_those_that_were_agreed() -> None:
    ids = {each["id"] for each in styles_told()}
    assert ids >= {
        "room_steady", "warm_quick", "cold_shaped", "cold_bulk", "cold_balls", "overnight_room", "poolish_straight",
        "tin_knock_back", "tin_once", "cold_start",
    }  # fmt: skip
    assert all(each["fits"] and each["method"]["stages"] for each in styles_told())


def test_a_later_load_that_would_go_past_its_proof_waits_in_the_fridge() -> None:
    rounds = {**courses()["6 yeasted boule"], "pieces": 6, "dough_c": 26}
    warm = answer(json.dumps({**rounds, "kitchen": {**rounds["kitchen"], "room_day_c": 27}}))
    assert len(steps(warm, "load")) > 1
    (chill,) = steps(warm, "chill")
    assert chill["at"] == steps(warm, "load")[0]["at"] and "load" in chill["text"]
    assert not steps(answer(json.dumps({**rounds, "pieces": 1})), "chill"), "one load waits for nobody"
    cold = {**courses()["1 cold shaped"], "pieces": 6}
    chills = steps(answer(json.dumps(cold)), "chill")
    assert len(chills) == 1 and "14 h" not in chills[0]["text"], "what comes from the fridge waits there anyway"


@pytest.mark.parametrize("until", ["ready", {"rise": 0.5}], ids=["ready", "at half"])
def test_sets_of_folds_change_the_proof_by_little(until: Any) -> None:
    """None to three sets, all else equal: they change what a dough can hold, and little of when it is ready."""
    minutes = []
    for sets in range(4):
        folds = [{"kind": "coil", "count": sets, "first_min": 30, "gap_min": 30}] if sets else []
        bulk = {"kind": "bulk", "until": until, "folds": folds}
        stages = [LEVAIN, MIX, bulk, DIVIDE, SHAPE, READY, {"kind": "bake", "vessel": "stone"}, COOL]
        loaf = formula("boule", 72, preferments=[levain(20)], scaling_weight_g=850, pieces=1)
        plan = answer(json.dumps(asked(loaf, stages, ready="2026-11-29T19:00:00+00:00")))
        minutes.append(stage(plan, "proof")["minutes"])
        assert plan["problems"] == [] and minutes[-1] > 30
    assert max(minutes) <= 1.25 * min(minutes), minutes
