"""The bake that is filled: vessel, heat, steam and stages by what a kitchen has, and done when the loaf is."""

import json
from typing import Any

import pytest

from gentle_crust.core.errors import CraftError
from gentle_crust.interchange.plan_json import answer
from tests.courses import COOL, COUNTRY, DIVIDE, KITCHEN, LEVAIN, MIX, READY, SHAPE, asked
from tests.courses import formula as formula_of

Plan = dict[str, Any]
TO_THE_OVEN = [LEVAIN, MIX, {"kind": "bulk", "until": "ready"}, DIVIDE, SHAPE, READY]
YEASTED = [MIX, {"kind": "bulk", "until": "ready"}, DIVIDE, SHAPE, READY]
BOULE = formula_of("boule", 68, yeast_percent=1.0, scaling_weight_g=700, pieces=2)


def planned(formula: Plan, bake: Plan | None = None, parts: Any = None, **kitchen: Any) -> Plan:
    """A plan of a dough with a bake stage, in the usual kitchen with something changed."""
    way = TO_THE_OVEN if formula.get("preferments") else YEASTED
    stages = way if parts else [*way, {"kind": "bake", **(bake or {})}, COOL]
    return answer(json.dumps(asked(formula, stages, parts, kitchen=kitchen)))


def baked(formula: Plan, bake: Plan | None = None, **kitchen: Any) -> Plan:
    """The bake of the whole dough."""
    found: Plan = planned(formula, bake, **kitchen)["bake"][""]
    return found


def words(plan: Plan, step: str) -> list[str]:
    """What is said at steps of one kind."""
    return [each["text"] for each in plan["steps"] if each["step"] == step]


def minutes(bake: Plan) -> float:
    """Of one load."""
    return float(sum(each["minutes"] for each in bake["stages"]))


@pytest.mark.parametrize(
    ("shape", "vessels", "chosen"),
    [
        ("boule", ["tray", "stone", "lidded_cast_iron"], "lidded_cast_iron"),
        ("boule", ["tray", "stone"], "stone"),
        ("boule", ["tray"], "tray"),
        ("baguette", ["tray", "lidded_cast_iron", "stone"], "stone"),
        ("roll", ["stone", "tray"], "tray"),
        ("slipper", ["tray", "steel"], "steel"),
    ],
)
def test_the_kitchen_s_best_vessel_for_the_shape_is_taken_and_said(shape: str, vessels: list[str], chosen: str) -> None:
    weight = {"boule": 700, "baguette": 250, "roll": 80, "slipper": 300}[shape]
    plan = planned(formula_of(shape, 68, yeast_percent=1.0, scaling_weight_g=weight, pieces=2), vessels=vessels)
    assert plan["bake"][""]["vessel"]["kind"] == chosen
    assert "vessel" in next(each for each in plan["stages"] if each["kind"] == "bake")["filled"]


def test_what_the_baker_says_of_the_vessel_stands_as_the_kitchen_has_it() -> None:
    own = {"kind": "lidded_cast_iron", "base_kg": 3.2, "lid_kg": 2.1, "inside_l": 4.7}
    found = baked(COUNTRY, {"vessel": "lidded_cast_iron"}, vessels=[own])["vessel"]
    assert (found["base_kg"], found["lid_kg"], found["inside_l"]) == (3.2, 2.1, 4.7)


@pytest.mark.parametrize(
    ("heated", "preheated", "heats"),
    [("all", True, True), ("lid", "lid", True), ("none", False, False), ("oven_only", False, True)],
)
def test_a_pot_is_heated_as_it_was_asked(heated: str, preheated: bool | str, heats: bool) -> None:
    plan = planned(COUNTRY, {"vessel": "lidded_cast_iron", "heated": heated})
    assert plan["bake"][""]["vessel"]["preheated"] == preheated
    assert (plan["bake"][""]["preheat"]["minutes"] > 0) == heats == bool(words(plan, "preheat"))


def test_heating_for_longer_or_less_is_the_baker_s_to_say() -> None:
    plans = [planned(COUNTRY, {"vessel": "lidded_cast_iron", "preheat_min": heating}) for heating in (20, 75)]
    usual = planned(COUNTRY, {"vessel": "lidded_cast_iron"})
    heated = [each["bake"][""]["preheat"]["minutes"] for each in (*plans, usual)]
    assert heated[:2] == [20, 75] and heated[0] < heated[2] < heated[1]
    assert "for 75 min" in words(plans[1], "preheat")[0]
    assert minutes(plans[0]["bake"][""]) > minutes(plans[1]["bake"][""])
    cold = planned(COUNTRY, {"vessel": "lidded_cast_iron", "heated": "none", "preheat_min": 75})
    assert cold["bake"][""]["preheat"]["minutes"] == 0 and not words(cold, "preheat")


@pytest.mark.parametrize("minutes", [-5, 900])
def test_heating_that_no_oven_takes_is_refused_by_its_field(minutes: float) -> None:
    with pytest.raises(CraftError) as refused:
        planned(COUNTRY, {"vessel": "lidded_cast_iron", "preheat_min": minutes})
    assert refused.value.field.endswith("preheat_min")


def test_a_pot_from_cold_bakes_longer_than_a_hot_one() -> None:
    hot, cold = (baked(COUNTRY, {"vessel": "lidded_cast_iron", "heated": heated}) for heated in ("all", "none"))
    assert minutes(cold) > minutes(hot) + 5
    assert cold["end"]["core_c"] >= 93 and hot["end"]["core_c"] >= 93


def test_a_loaf_straight_from_the_fridge_bakes_no_shorter() -> None:
    cold_proof = {"kind": "proof", "place": "fridge", "until": {"hours": [8, 14]}}
    cold = answer(
        json.dumps(asked(COUNTRY, [*TO_THE_OVEN[:-1], cold_proof, {"kind": "bake", "vessel": "stone"}, COOL]))
    )
    warm = planned(COUNTRY, {"vessel": "stone"})
    assert minutes(cold["bake"][""]) >= minutes(warm["bake"][""])
    assert cold["bake"][""]["done_min"] > warm["bake"][""]["done_min"]


def test_darker_bread_takes_longer_and_comes_out_darker() -> None:
    pale, dark = (baked(BOULE, {"vessel": "stone", "done": {"colour": colour}}) for colour in (35, 85))
    assert minutes(pale) < minutes(dark)
    assert pale["end"]["colour"] < dark["end"]["colour"]
    assert dark["end"]["colour"] >= 84


def test_stages_that_were_stated_are_baked_as_they_are_and_told_how_they_end() -> None:
    stated = [{"minutes": 12, "setpoint_c": 240, "covered": True}, {"minutes": 8, "setpoint_c": 210}]
    bake = baked(BOULE, {"vessel": "stone", "stages": stated})
    assert [(each["minutes"], each["setpoint_c"], each["covered"]) for each in bake["stages"]] == [
        (12, 240, True), (8, 210, False),
    ]  # fmt: skip
    assert bake["preheat"]["setpoint_c"] == 240
    assert bake["done_min"] is None or bake["done_min"] > 20, "twenty minutes are too few, and it says when it would be"
    longer = baked(BOULE, {"vessel": "stone", "stages": [stated[0], {"minutes": 30, "setpoint_c": 210}]})
    assert longer["end"]["colour"] > bake["end"]["colour"] and longer["done_min"] == bake["done_min"]


def test_door_and_grill_and_a_turn_of_the_baker_s_own_are_steps() -> None:
    stages = [
        {"minutes": 15, "setpoint_c": 240, "covered": True}, {"minutes": 10, "setpoint_c": 220, "turn": True},
        {"minutes": 5, "setpoint_c": 220, "door": "ajar"}, {"minutes": 3, "setpoint_c": 220, "grill": True},
    ]  # fmt: skip
    plan = planned(BOULE, {"vessel": "stone", "stages": stages})
    assert len(words(plan, "vent")) == 1 and len(words(plan, "turn")) == 1
    said = words(plan, "set_oven")
    assert len(said) == 3, "220 C, then the door, then the grill"
    assert "ajar" in said[1] and "grill" in said[2].lower()


def test_a_tin_loaf_that_leaves_its_tin_is_a_step_with_its_caution() -> None:
    tin = formula_of("pan_loaf", 64, yeast_percent=0.8, scaling_weight_g=850, pieces=1)
    stages = [{"minutes": 30, "setpoint_c": 210}, {"minutes": 8, "setpoint_c": 210, "out_of_tin": True}]
    plan = planned(tin, {"vessel": "tin", "stages": stages})
    (step,) = (each for each in plan["steps"] if each["step"] == "out_of_tin")
    assert "hot_iron" in step["cautions"]


def test_no_steam_is_no_steam_and_a_pot_needs_none() -> None:
    assert baked(BOULE, {"vessel": "stone", "steam": []})["steam"] == []
    assert baked(COUNTRY, {"vessel": "lidded_cast_iron"})["steam"] == []
    assert [each["kind"] for each in baked(BOULE, {"vessel": "stone"})["steam"]] != []
    assert baked(BOULE, {"vessel": "stone"}, steam=[])["steam"] == [], "a kitchen without means makes none"


def test_steam_makes_a_paler_crust_at_the_same_stages() -> None:
    stages = [{"minutes": 15, "setpoint_c": 230, "covered": False}, {"minutes": 10, "setpoint_c": 220}]
    dry, steamed = (
        baked(BOULE, {"vessel": "stone", "stages": stages, "steam": steam})
        for steam in ([], [{"kind": "hot_pan", "g": 300}])
    )
    assert steamed["end"]["loss_fraction"] < dry["end"]["loss_fraction"]


def test_more_than_go_in_at_once_are_several_loads_one_after_the_other() -> None:
    plan = planned({**BOULE, "pieces": 5}, {"vessel": "lidded_cast_iron"})
    loads, outs = ([each for each in plan["steps"] if each["step"] == step] for step in ("load", "out"))
    assert len(loads) == len(outs) > 1
    assert [each["number"] for each in loads] == list(range(1, len(loads) + 1))
    assert {each["of"] for each in loads} == {len(loads)}
    for out, load in zip(outs, loads[1:], strict=False):
        assert out["at"] <= load["at"], "one pot holds one loaf"
    assert len(words(plan, "preheat")) == 1


def test_an_oven_that_does_not_reach_is_said_with_how_far_it_falls_short() -> None:
    weak = planned(BOULE, {"vessel": "stone"}, oven={"kind": "electric", "top_c": 190})
    (problem,) = (each for each in weak["problems"] if each["code"] == "oven")
    assert "190" in problem["text"]
    assert all(each["setpoint_c"] <= 190 for each in weak["bake"][""]["stages"])
    assert not [each for each in planned(BOULE, {"vessel": "stone"})["problems"] if each["code"] == "oven"]


def test_a_loaf_that_does_not_fit_its_pot_is_said() -> None:
    small = {"kind": "lidded_cast_iron", "inside_l": 1.0}
    plan = planned({**COUNTRY, "scaling_weight_g": 1600}, {"vessel": "lidded_cast_iron"}, vessels=[small])
    assert "vessel" in {each["code"] for each in plan["problems"]}


def shared(one: Plan, other: Plan, **kitchen: Any) -> tuple[Plan, bool]:
    """A plan of two parts with these bakes; whether they go in together."""
    parts = [
        {"name": name, "pieces": 1, "stages": [{"kind": "bake", **bake}, COOL]}
        for name, bake in (("one", one), ("other", other))
    ]
    plan = planned(BOULE, parts=parts, **kitchen)
    first, second = (each["at"] for each in plan["steps"] if each["step"] == "load")
    return plan, first == second


def test_two_parts_on_one_oven_go_in_together_or_one_after_the_other() -> None:
    plan, together = shared({"vessel": "stone"}, {"vessel": "tray"}, vessels=["stone", "tray"])
    assert together and plan["bake"]["one"]["stages"] == plan["bake"]["other"]["stages"]
    hot, cold = {"vessel": "lidded_cast_iron"}, {"vessel": "lidded_cast_iron", "heated": "none"}
    plan, together = shared(hot, cold)
    assert not together, "a pot from a cold oven cannot stand beside one in a hot oven"
    loads = [each for each in plan["steps"] if each["step"] in ("load", "out")]
    assert [each["step"] for each in loads] == ["load", "out", "load", "out"]


def test_one_shelf_takes_one_part_at_a_time() -> None:
    oven = {**KITCHEN["oven"], "shelves": 1}
    _, together = shared({"vessel": "stone"}, {"vessel": "tray"}, vessels=["stone", "tray"], oven=oven)
    assert not together
