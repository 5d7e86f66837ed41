"""What hands are told to do, by the shape, the vessel, the place and the tools, with the caution at that step."""

import json
from typing import Any

import pytest

from gentle_crust.core.course.method import KINDS
from gentle_crust.core.course.steps import CODES
from gentle_crust.core.messages import message
from gentle_crust.interchange.plan_json import answer
from gentle_crust.text.render import say
from tests.courses import (
    BAKE,
    COOL,
    COUNTRY,
    DIVIDE,
    LEVAIN,
    MIX,
    READY,
    SHAPE,
    asked,
    courses,
    fridge,
    levain,
    yeasted,
)
from tests.courses import formula as formula_of

Plan = dict[str, Any]
WEIGHTS = {
    "boule": 700, "batard": 700, "baguette": 250, "slipper": 300, "flat_round": 250, "roll": 80, "pan_loaf": 850,
}  # fmt: skip
PLANS: dict[tuple[str, str], Plan] = {}


def of_shape(shape: str, vessel: str) -> Plan:
    """A yeasted dough of a shape baked in a vessel; each is planned once."""
    if (shape, vessel) not in PLANS:
        dough = formula_of(shape, 66, yeast_percent=1.0, scaling_weight_g=WEIGHTS[shape], pieces=2)
        stages = [MIX, {"kind": "bulk"}, DIVIDE, SHAPE, READY, {"kind": "bake", "vessel": vessel}, COOL]
        PLANS[shape, vessel] = answer(json.dumps(asked(dough, stages, kitchen={"vessels": [vessel]})))
    return PLANS[shape, vessel]


def with_stages(stages: list[Plan], formula: Plan = COUNTRY, **kitchen: Any) -> Plan:
    """A plan of some stages."""
    return answer(json.dumps(asked(formula, stages, kitchen=kitchen)))


def told(plan: Plan, step: str) -> str:
    """What is said at the first step of a kind."""
    found: str = next(each["text"] for each in plan["steps"] if each["step"] == step)
    return found


def cautions(plan: Plan, step: str) -> set[str]:
    """Cautions at all steps of a kind."""
    return {code for each in plan["steps"] if each["step"] == step for code in each["cautions"]}


@pytest.mark.parametrize(
    ("shape", "vessel", "shaped", "loaded"),
    [
        ("boule", "lidded_cast_iron", "floured basket", "Lower each in"),
        ("boule", "stone", "floured basket", "peel"),
        ("boule", "tray", "lined tray", "Trays in"),
        ("batard", "stone", "floured basket", "peel"),
        ("batard", "tray", "lined tray", "Trays in"),
        ("baguette", "stone", "floured cloth", "board"),
        ("baguette", "tray", "lined tray", "Trays in"),
        ("slipper", "stone", "floured cloth", "Stretch each"),
        ("slipper", "tray", "lined tray", "Trays in"),
        ("flat_round", "stone", "well apart", "topped"),
        ("roll", "tray", "under the palm", "Trays in"),
        ("pan_loaf", "tin", "greased tin", "Tins in"),
    ],
)
def test_each_shape_is_shaped_and_loaded_for_its_vessel(shape: str, vessel: str, shaped: str, loaded: str) -> None:
    plan = of_shape(shape, vessel)
    assert shaped in told(plan, "shape")
    assert loaded in told(plan, "load")


@pytest.mark.parametrize(("shape", "vessel"), [("boule", "tray"), ("baguette", "tray"), ("pan_loaf", "tin")])
def test_nothing_that_is_not_used_is_named(shape: str, vessel: str) -> None:
    everything = " ".join(each["text"].lower() for each in of_shape(shape, vessel)["steps"])
    for absent in ("basket", "peel", "cloth", "lid", " pot"):
        assert absent not in everything, absent


@pytest.mark.parametrize("shape", ["boule", "batard", "baguette", "pan_loaf"])
def test_what_is_scored_is_scored_with_a_caution_before_it_is_loaded(shape: str) -> None:
    plan = of_shape(shape, "tin" if shape == "pan_loaf" else "stone")
    order = [each["step"] for each in plan["steps"] if each["step"] in ("score", "load")]
    assert order == ["score", "load"]
    assert cautions(plan, "score") == {"blades"}


@pytest.mark.parametrize("shape", ["slipper", "flat_round"])
def test_flat_breads_are_not_scored(shape: str) -> None:
    assert "score" not in [each["step"] for each in of_shape(shape, "stone")["steps"]]


def test_a_score_that_the_method_states_is_told_once() -> None:
    plan = with_stages([LEVAIN, MIX, {"kind": "bulk"}, DIVIDE, SHAPE, READY, {"kind": "score"}, BAKE])
    assert [each["step"] for each in plan["steps"]].count("score") == 1
    assert cautions(plan, "score") == {"blades"}


def test_every_hot_step_has_its_caution() -> None:
    pot = courses()["1 cold shaped"]
    plan = answer(json.dumps(pot))
    assert cautions(plan, "load") >= {"hot_iron"} and cautions(plan, "out") >= {"hot_iron"}
    assert cautions(plan, "uncover") == {"lid_steam"}
    assert cautions(of_shape("boule", "stone"), "vent") == {"door_steam"}
    assert cautions(plan, "mix") == {"raw_dough"} and cautions(plan, "cut") == {"knife"}
    gas = answer(json.dumps({**pot, "kitchen": {**pot["kitchen"], "oven": {"kind": "gas", "top_c": 250}}}))
    assert "gas" in cautions(gas, "preheat") and "gas" not in cautions(plan, "preheat")


def test_water_into_a_hot_tray_has_its_caution_at_that_step() -> None:
    plan = of_shape("boule", "stone")
    assert cautions(plan, "steam_in") & {"steam_water"}
    assert "steam_water" not in cautions(plan, "load")


def test_cautions_of_the_jar_are_said_at_the_first_feed_only() -> None:
    plan = with_stages([{"kind": "feed"}, LEVAIN, MIX, {"kind": "bulk"}, DIVIDE, SHAPE, READY, BAKE])
    jars = [each["step"] for each in plan["steps"] if "jar" in each["cautions"]]
    assert len(jars) == 1 and jars[0] in ("feed", "levain")


@pytest.mark.parametrize(
    ("kind", "word"),
    [("stretch", "stretch and fold"), ("coil", "middle"), ("bowl", "round the bowl"), ("letter", "thirds")],
)
def test_each_kind_of_fold_is_told_as_it_is_done(kind: str, word: str) -> None:
    bulk = {"kind": "bulk", "folds": [{"kind": kind, "count": 2, "first_min": 30, "gap_min": 30}]}
    plan = with_stages([LEVAIN, MIX, bulk, DIVIDE, SHAPE, READY, BAKE])
    folds = [each for each in plan["steps"] if each["step"] == "fold"]
    assert [each["number"] for each in folds] == [1, 2] and all(word in each["text"] for each in folds)


def test_what_is_held_back_goes_in_at_the_first_fold_and_only_there() -> None:
    late = {**MIX, "late": ["salt"]}
    bulk = {"kind": "bulk", "folds": [{"kind": "stretch", "count": 3, "first_min": 30, "gap_min": 30}]}
    plan = with_stages([LEVAIN, late, bulk, DIVIDE, SHAPE, READY, BAKE])
    folds = [each["text"] for each in plan["steps"] if each["step"] == "fold"]
    assert "salt" in folds[0].lower() and not any("salt" in each.lower() for each in folds[1:])
    assert "salt" not in told(plan, "mix").lower()
    unfolded = with_stages([LEVAIN, late, {"kind": "bulk", "folds": []}, DIVIDE, SHAPE, READY, BAKE])
    assert "salt" in told(unfolded, "mix").lower(), "without folds the mix itself is where it is worked in"


def test_after_a_rest_of_flour_and_water_the_mix_adds_what_is_left() -> None:
    plan = with_stages([LEVAIN, {"kind": "autolyse"}, MIX, {"kind": "bulk"}, DIVIDE, SHAPE, READY, BAKE])
    assert "until nothing is dry" in told(plan, "autolyse")
    assert told(plan, "mix").startswith("Add ") and "salt" in told(plan, "mix").lower()


def test_a_pinch_of_yeast_that_the_scale_cannot_weigh_is_stirred_into_water() -> None:
    poolish = formula_of(
        "boule", 72, preferments=[yeasted("poolish", 30, 0.1)], yeast_percent=0.2, scaling_weight_g=700
    )
    stages = [{"kind": "preferment"}, MIX, {"kind": "bulk"}, DIVIDE, SHAPE, READY, BAKE]
    little, much = (with_stages(stages, {**poolish, "pieces": pieces}) for pieces in (1, 40))
    assert "Too little for the scale" in told(little, "preferment")
    assert "Too little for the scale" not in told(much, "preferment")


@pytest.mark.parametrize(
    ("place", "word"), [("oven_off", "oven"), ("bath", "bath"), ("proofer", "proofer"), ("fridge", "fridge")]
)
def test_a_dough_is_put_where_it_is_to_stand(place: str, word: str) -> None:
    until = {"hours": [8, 12]} if place == "fridge" else "ready"
    plan = with_stages([LEVAIN, MIX, {"kind": "bulk", "place": place, "until": until}, DIVIDE, SHAPE, READY, BAKE])
    assert word in told(plan, "chill" if place == "fridge" else "move").lower()


def test_a_cold_dough_is_taken_out_once_before_hands_touch_it() -> None:
    plan = with_stages([LEVAIN, MIX, {"kind": "bulk"}, fridge("bulk", 8, 12), DIVIDE, SHAPE, READY, BAKE])
    order = [each["step"] for each in plan["steps"] if each["step"] in ("chill", "out_of_fridge", "divide")]
    assert order == ["chill", "out_of_fridge", "divide"]


@pytest.mark.parametrize(
    ("how", "word"), [("glaze", "Brush"), ("seeds", "seeds"), ("oats", "oats"), ("flour", "Dust"), ("oil", "oil")]
)
def test_each_finish_is_told_as_it_is_done(how: str, word: str) -> None:
    plan = with_stages([LEVAIN, MIX, {"kind": "bulk"}, DIVIDE, SHAPE, READY, {"kind": "finish", "with": how}, BAKE])
    assert word in told(plan, "finish")


def test_rye_is_shaped_with_wet_hands_and_wrapped_as_it_cools() -> None:
    rye = {
        **formula_of("pan_loaf", 85, preferments=[{**levain(35), "flour_kind": "whole_rye"}], scaling_weight_g=900,
                     pieces=1),
        "flours": [{"kind": "whole_rye", "percent": 100}],
    }  # fmt: skip
    plan = with_stages([LEVAIN, MIX, {"kind": "bulk"}, SHAPE, READY, {"kind": "bake", "vessel": "tin"}, COOL], rye)
    assert "Wet hands" in told(plan, "shape")
    assert "wrapped" in told(plan, "cut") and "score" not in [each["step"] for each in plan["steps"]]


@pytest.mark.parametrize("step", CODES)
def test_every_step_has_a_name(step: str) -> None:
    assert 2 < len(say(message(f"course-step-{step}")).sentence) < 30


@pytest.mark.parametrize("kind", KINDS)
def test_every_stage_has_a_name(kind: str) -> None:
    assert 2 < len(say(message(f"course-kind-{kind}")).sentence) < 30
