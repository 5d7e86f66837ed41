"""A wood-fired oven is loaded as hot as it was fired."""

import json
from datetime import datetime, timedelta

import pytest

from gentle_crust.core.errors import CraftError
from gentle_crust.interchange import bake_json, plan_json
from gentle_crust.text.render import say
from tests.courses import courses

STICKS = {"dough_g": 350, "hydration": 0.66, "start_c": 25, "shape": "baguette", "pieces": 4}


def answer(**changes):
    question = {"loaf": STICKS, "vessel": {"kind": "oven_floor"}, "oven": {"kind": "wood"}, "stages": [{"minutes": 20}]}
    return bake_json.answer(json.dumps(question | changes))


@pytest.mark.parametrize(("floor", "dome"), [(290, 310), (250, 270), (430, 480), (550, 550), (100, 100)])
def test_the_floor_at_loading_is_what_it_was_fired_to(floor, dome):
    fired = {"floor_c": floor, "dome_c": dome, "soaked_min": 60}
    first = answer(oven={"kind": "wood", "fired": fired})["curve"][0]
    assert first["floor_c"] == pytest.approx(floor, abs=2) and first["dome_c"] == pytest.approx(dome, abs=2)
    assert first["vessel_c"] == first["floor_c"]


def test_without_fired_its_preheating_counts_as_its_firing():
    found = answer(preheat={"setpoint_c": 290, "minutes": 120}, stages=[{"minutes": 20, "setpoint_c": 290}])
    assert 270 <= found["curve"][0]["floor_c"] <= 300
    assert found["core_minutes_to"]["93"] < 20 and found["end"]["base_colour"] > 30
    default = answer(stages=[{"minutes": 20, "setpoint_c": 280}])
    assert default["curve"][0]["floor_c"] == pytest.approx(280, abs=2)


def test_set_points_heater_and_preheat_mean_nothing_when_it_is_fired():
    fired = {"kind": "wood", "fired": {"floor_c": 290, "dome_c": 310}}
    plain = answer(oven=fired)
    odd = answer(
        oven={**fired, "heater_w": 9e9}, preheat={"setpoint_c": 90, "minutes": 300},
        stages=[{"minutes": 20, "setpoint_c": 120}],
    )  # fmt: skip
    assert plain == odd
    pot = answer(oven=fired, vessel={"kind": "tray", "preheated": False})
    assert "dome_c" in pot["curve"][0] and "floor_c" not in pot["curve"][0] and pot["curve"][0]["vessel_c"] < 30


def test_it_cools_under_its_bread_and_other_ovens_have_no_floor():
    curve = answer(oven={"kind": "wood", "fired": {"floor_c": 290, "dome_c": 310}})["curve"]
    assert curve[-1]["floor_c"] < curve[0]["floor_c"]
    one = STICKS | {"pieces": 1}
    electric = answer(loaf=one, oven={"kind": "electric"}, stages=[{"minutes": 5, "setpoint_c": 240}])["curve"][0]
    assert not {"floor_c", "dome_c"} & set(electric)


@pytest.mark.parametrize(
    ("oven", "field"),
    [
        ({"kind": "wood", "fired": {"floor_c": 600, "dome_c": 300}}, "oven.fired.floor_c"),
        ({"kind": "wood", "fired": {"floor_c": 300, "dome_c": 20}}, "oven.fired.dome_c"),
        ({"kind": "wood", "fired": {"floor_c": 300, "dome_c": 300, "soaked_min": -1}}, "oven.fired.soaked_min"),
        ({"kind": "electric", "fired": {"floor_c": 300, "dome_c": 300}}, "oven.fired"),
        ({"kind": "wood"}, "stages[0].setpoint_c"),
    ],
)
def test_what_cannot_be_names_the_field(oven, field):
    with pytest.raises(CraftError) as refused:
        answer(oven=oven)
    assert refused.value.field == field and say(refused.value.what).remedy


def test_a_pan_for_steam_goes_in_as_the_oven_is_raked_out_and_is_hot_when_it_is_loaded():
    question = courses()["16 wood fire"]
    stages = [
        each if each["kind"] != "bake" else {**each, "steam": ["hot_pan"]} for each in question["method"]["stages"]
    ]
    found = plan_json.answer(json.dumps({**question, "method": {**question["method"], "stages": stages}}))
    at = {each["step"]: datetime.fromisoformat(each["at"]) for each in found["steps"] if each["step"] != "steam_in"}
    pan = min(datetime.fromisoformat(each["at"]) for each in found["steps"] if each["step"] == "steam_in")
    assert at["rake_out"] <= pan <= at["load"] - timedelta(minutes=20)
