"""What of a vessel is hot when it is loaded: from the oven, from the hob, or nothing; and who changes places."""

import json

import pytest

from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.oven.hazards import hazards
from gentle_crust.core.oven.loaf import Loaf
from gentle_crust.core.oven.schools import schools
from gentle_crust.core.oven.staged import Want, draft, may_be_heated, soak_min
from gentle_crust.core.oven.steps import touches
from gentle_crust.core.oven.turning import half_way, in_use
from gentle_crust.interchange.bake_json import answer as baked_so
from tests.core.test_course_baking import planned, words
from tests.courses import COUNTRY

POT = Vessel("pot", "lidded_cast_iron", "Iron pot", 1)
OVEN = Oven("electric")
LOAF = Loaf(850, 0.75, 22.0, "boule", 1)
PATIENT = 180.0


def drawn(preheated, vessel=POT):
    return draft(LOAF, 1, vessel, OVEN, Want(preheated=preheated))


def at_minutes(preheated):
    """A bake of the same stages and the same hot oven, with more or less of the pot hot."""
    stages = [{"minutes": 25, "setpoint_c": 245, "covered": True}, {"minutes": 20, "setpoint_c": 225}]
    question = {
        "loaf": {"dough_g": 850, "hydration": 0.75, "start_c": 22, "shape": "boule", "pieces": 1},
        "vessel": {"kind": "lidded_cast_iron", "preheated": preheated}, "oven": {"kind": "electric"},
        "preheat": {"setpoint_c": 245, "minutes": 45}, "stages": stages,
    }  # fmt: skip
    return baked_so(json.dumps(question))["end"]


def test_a_base_from_the_hob_browns_below_almost_as_a_hot_pot_and_above_as_a_cold_one():
    hot, hob, cold = (at_minutes(each) for each in (True, "hob", False))
    assert hot["base_colour"] > hob["base_colour"] > cold["base_colour"] + 5
    assert hot["colour"] > hob["colour"] > cold["colour"]
    assert hot["core_c"] > hob["core_c"] > cold["core_c"]
    assert hob["base_colour"] - cold["base_colour"] > 2 * (hot["base_colour"] - hob["base_colour"]) - 8


def test_a_pot_on_the_hob_spares_the_soak_but_not_the_oven():
    minutes = {each: drawn(each).soak_min for each in ("whole", "hob", "none")}
    assert minutes["none"] == 0 < minutes["hob"] < minutes["whole"]
    assert minutes["hob"] == soak_min(drawn("hob").bake.vessel, drawn("hob").bake.oven, 245.0, False, LOAF)
    ends = {each: drawn(each).done.minute for each in ("whole", "hob", "none")}
    assert ends["whole"] < ends["hob"] < ends["none"]


def test_the_base_is_as_warm_as_the_hob_made_it_at_loading_and_the_lid_cold():
    went = drawn("hob").baked
    assert went.at("vessel", 0.0) == pytest.approx(150, abs=1)
    assert went.at("lid", 0.0) == pytest.approx(21, abs=1)


@pytest.mark.parametrize(
    ("kind", "able"),
    [
        ("lidded_cast_iron", ("whole", "lid", "hob", "none")),
        ("lidded_enamel", ("whole", "lid", "none")),
        ("stone", ("whole", "none")),
        ("tray", ("none",)),
        ("oven_floor", ("whole",)),
    ],
)
def test_what_may_be_hot_follows_the_vessel(kind, able):
    assert may_be_heated(Vessel("v", kind, "V", 1)) == able


@pytest.mark.parametrize("kind", ["lidded_enamel", "lidded_clay", "metal_dome"])
def test_only_bare_iron_goes_on_the_hob(kind):
    refused = [each for each in hazards(drawn("hob", Vessel("v", kind, "V", 1)).bake) if each.weight == "refused"]
    assert [each.code for each in refused] == ["hob"]
    allowed = {each.code: each.weight for each in hazards(drawn("hob").bake)}
    assert allowed["hob"] == "caution"


def test_the_hob_is_a_step_with_its_caution_and_the_oven_another():
    plan = planned(COUNTRY, {"heated": "hob"}, vessels=["lidded_cast_iron"])
    heating = [each for each in plan["steps"] if each["step"] == "preheat"]
    assert [each["cautions"] for each in heating] == [["ratings"], ["hob"]]
    assert "on a low flame for 8 min" in heating[1]["text"] and "left out" in heating[0]["text"]
    assert heating[0]["at"] < heating[1]["at"] < next(each["at"] for each in plan["steps"] if each["step"] == "load")
    assert plan["bake"][""]["vessel"]["preheated"] == "hob"
    assert words(plan, "load")[0].startswith("Lower each in")
    assert all(each["amount"] is None for each in heating)


def test_the_oven_room_says_the_same():
    made = drawn("hob")
    said = touches(made.bake, made.done, POT, OVEN, ())
    hob = next(each for each in said if each.what == "hob")
    assert hob.minute == -8 and [each.code for each in hob.cautions] == ["hob"]
    assert not [each for each in touches(drawn("whole").bake, made.done, POT, OVEN, ()) if each.what == "hob"]


@pytest.mark.parametrize(("preheated", "key"), [("whole", "hot"), ("lid", "lid"), ("hob", "hob"), ("none", "cold")])
def test_of_the_schools_of_heating_the_drawn_one_is_marked(preheated, key):
    found = schools(LOAF, 1, POT, OVEN, Want(preheated=preheated))
    heated = {each.key: each.default for each in found if each.key in ("hot", "lid", "hob", "cold")}
    assert [each for each, default in heated.items() if default] == [key]
    assert len(heated) == 4


@pytest.mark.parametrize(
    ("minutes", "at"),
    [((20, 20), 30), ((15, 25), 20), ((40,), 20), ((30, 6), 33), ((30, 1), None), ((10, 10, 20), 30)],
)
def test_half_way_lies_in_the_last_stage(minutes, at):
    found = half_way(minutes)
    assert found == at
    if found is not None:
        assert sum(minutes[:-1]) < found < sum(minutes)


def test_two_trays_change_places_half_way_in_the_oven_room_too():
    tray = Vessel("tray", "tray", "Trays", 2)
    rolls = Loaf(90, 0.62, 24.0, "roll", 1)
    made = draft(rolls, 24, tray, Oven("electric", shelves=3), Want())
    assert in_use(tray, Oven("electric", shelves=3), rolls, made.per_load) == 2
    said = [each.kind for each in touches(made.bake, made.done, tray, Oven("electric", shelves=3), ())]
    assert "turn" not in said
    assert said.count("swap") == 1 and said.index("load") < said.index("swap") < said.index("out")
    one = draft(rolls, 6, tray, OVEN, Want())
    assert "swap" not in [each.kind for each in touches(one.bake, one.done, tray, OVEN, ())]
