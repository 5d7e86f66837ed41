"""What bakers know of bakes: small and sweet breads, tins, lids, fans and fired floors; heat, time and load smooth."""

import json
from itertools import pairwise

import numpy as np
import pytest
from bake_cases import O60, course, seen
from hypothesis import HealthCheck, Phase, given, settings
from hypothesis import strategies as st

from gentle_crust.core.errors import CraftError
from gentle_crust.core.oven.at_once import at_once, in_loads, shelves
from gentle_crust.core.oven.loaf import Loaf
from gentle_crust.interchange import bake_json, choose_json

SEEN = tuple(seen())
SHAPES = (
    ("roll", "tray", 80, 8, ("water_pan",), 30), ("boule", "lidded_cast_iron", 850, 1, (), 50),
    ("boule", "stone", 850, 1, (), 50), ("baguette", "tray", 200, 4, ("water_pan",), 30),
    ("pan_loaf", "tin", 900, 1, (), 30), ("slipper", "stone", 300, 2, (), 50), ("flat_round", "stone", 250, 1, (), 50),
)  # fmt: skip


@pytest.mark.parametrize("case", SEEN, ids=[each.name for each in SEEN])
def test_what_bakers_see_comes_out_in_its_window(case):
    value = case.measure()
    assert case.low <= value <= case.high, f"{case.name}: {value:.2f} is not in {case.low}..{case.high}"


@pytest.mark.parametrize(("shape", "vessel", "grams", "pieces", "steam", "heated"), SHAPES)
@pytest.mark.parametrize("minutes", [12, 20, 40])
def test_no_loaf_is_paler_for_more_heat(shape, vessel, grams, pieces, steam, heated, minutes):
    def colour(setpoint):
        stages = ((8, setpoint, True), (minutes - 8, setpoint, False))
        loaf = Loaf(grams, 0.66, 25, shape, pieces)
        return course(loaf, vessel, (setpoint, heated), stages, steam, oven=O60).end("colour")

    found = [colour(setpoint) for setpoint in range(180, 261, 8)]
    assert all(hotter >= cooler - 1e-6 for cooler, hotter in pairwise(found)), found
    assert max(hotter - cooler for cooler, hotter in pairwise(found)) < 16, "and no step is a leap"


@pytest.mark.parametrize(
    ("loaf", "setpoint"), [(Loaf(80, 0.66, 25, "roll"), 210), (Loaf(80, 0.6, 25, "roll", sugar=0.1, milk=0.4), 190)]
)
def test_a_piece_more_on_the_tray_changes_the_colour_by_a_little(loaf, setpoint):
    found = []
    for pieces in range(4, 14):
        many = Loaf(loaf.dough_g, loaf.hydration, 25, "roll", pieces, loaf.sugar, loaf.milk)
        found.append(course(many, "tray", (setpoint, 30), ((17, setpoint, False),), oven=O60).end("colour"))
    assert all(abs(more - less) <= 6 for less, more in pairwise(found)), found
    assert all(more <= less + 0.5 for less, more in pairwise(found)), "a fuller oven bakes no darker"


def bake(**changes):
    question = {
        "loaf": {"dough_g": 80, "shape": "roll", "pieces": 60, "hydration": 0.66}, "vessel": {"kind": "tray"},
        "oven": {"volume_l": 60}, "stages": [{"minutes": 17, "setpoint_c": 210}],
    }  # fmt: skip
    return bake_json.answer(json.dumps(question | changes))


def test_sixty_rolls_are_split_into_loads_that_fit_and_each_has_its_time():
    found = bake()
    assert found["fits"] is False and "curve" not in found
    assert sum(each["pieces"] for each in found["loads"]) == 60 and len(found["loads"]) >= 3
    starts = [each["at_min"] for each in found["loads"]]
    assert starts[0] == 0 and all(later - sooner == starts[1] >= 17 for sooner, later in pairwise(starts))
    few = bake(loaf={"dough_g": 80, "shape": "roll", "pieces": found["loads"][0]["pieces"], "hydration": 0.66})
    assert few["fits"] is True and few["curve"]


def test_six_boules_do_not_bake_like_one_and_a_giant_has_no_room_in_a_pot():
    boules = {"dough_g": 850, "pieces": 6, "shape": "boule"}
    pots = bake(loaf=boules, vessel={"kind": "lidded_cast_iron"}, stages=[{"minutes": 40, "setpoint_c": 230}])
    assert pots["fits"] is False and max(each["pieces"] for each in pots["loads"]) <= 2
    with pytest.raises(CraftError) as refused:
        bake(loaf={"dough_g": 3000, "shape": "boule"}, vessel={"kind": "lidded_cast_iron", "inside_l": 4.8})
    assert refused.value.field == "loaf.dough_g"
    large = bake(loaf={"dough_g": 3000, "shape": "boule"}, vessel={"kind": "lidded_cast_iron", "inside_l": 14})
    assert large["fits"]


def test_large_and_rack_ovens_are_taken_up_to_four_hundred_pieces():
    rack = {"kind": "rack", "heater_w": 45_000, "volume_l": 2000}
    found = bake(loaf={"dough_g": 80, "shape": "roll", "pieces": 400, "hydration": 0.66}, oven=rack)
    assert found["fits"] and 5 < found["end"]["colour"] <= 100
    for field, oven, pieces in (("oven.volume_l", rack | {"volume_l": 2001}, 1), ("loaf.pieces", rack, 401)):
        with pytest.raises(CraftError) as refused:
            bake(oven=oven, loaf={"dough_g": 80, "shape": "roll", "pieces": pieces})
        assert refused.value.field == field


def test_a_larger_oven_never_takes_fewer_and_loads_are_even():
    for shape, vessel, grams, *_ in SHAPES:
        found = [at_once(Loaf(grams, shape=shape), vessel, litres) for litres in (30, 60, 120, 400, 2000)]
        assert found == sorted(found) and found[1] >= 1
    assert in_loads(60, 18) == (15, 15, 15, 15) and in_loads(7, 3) == (3, 2, 2) and in_loads(2, 5) == (2,)
    assert shelves(60) == 2 and shelves(2000) > shelves(400) and shelves(400, "wood") == 1


KIT = {
    "vessels": ["lidded_cast_iron", "metal_dome", "stone", "tray", "tin"],
    "steam": ["hot_stones_and_water", "soaked_towels", "water_pan", "mist_loaf"],
}


def choose(**changes):
    question = {"loaf": {"dough_g": 850, "hydration": 0.72, "shape": "boule"}, "kit": KIT, "oven": {"volume_l": 60}}
    return choose_json.answer(json.dumps(question | changes))


def steams(way):
    return tuple(each["kind"] for each in way["steam"])


def test_every_way_has_its_points_figures_reason_and_a_bake_that_can_be_baked():
    found = choose()
    ways = found["ways"]
    points = [way["points"] for way in ways]
    assert all(0 <= point <= 100 for point in points) and points[0] == max(points)
    names = {"spring_index", "colour", "base_colour", "crust_mm", "loss_fraction", "minutes", "loads", "effort"}
    assert all(set(way["figures"]) == names and way["why"] for way in ways)
    assert any(steams(way) == () and way["vessel"]["kind"] == "stone" for way in ways), "no steam is always a way"
    for way in (ways[0], ways[-1]):
        again = bake_json.answer(json.dumps(way["bake"]))
        assert again["end"]["colour"] == pytest.approx(way["figures"]["colour"], abs=0.2)
    unfit = {each["vessel"]["kind"]: each["why"] for each in found["unfit"]}
    assert set(unfit) == {"tin"} and unfit["tin"].endswith(".")


@pytest.mark.parametrize("wish", ["tall", "shiny", "thin"])
def test_honest_steam_ranks_above_none_where_height_shine_or_a_thin_crust_is_wished(wish):
    ways = [way for way in choose(wish=wish)["ways"] if way["vessel"]["kind"] == "stone"]
    order = [steams(way) for way in ways]
    dry = order.index(())
    for steam in (("hot_stones_and_water",), ("soaked_towels",), ("hot_stones_and_water", "soaked_towels")):
        assert order.index(steam) < dry, order


def test_little_work_prefers_none_and_a_fired_floor_is_near_the_top():
    easy = choose(wish="little_work")["ways"]
    assert easy[0]["figures"]["effort"] <= 1
    fired = {"kind": "wood", "volume_l": 300, "fired": {"floor_c": 280, "dome_c": 290, "soaked_min": 40}}
    kit = {"vessels": ["oven_floor", "lidded_cast_iron", "tray", "stone"], "steam": ["mist_loaf", "soaked_towels"]}
    ways = choose(oven=fired, kit=kit)["ways"]
    assert "oven_floor" in [way["vessel"]["kind"] for way in ways[:3]]
    assert ways[0]["bake"]["oven"]["fired"]["floor_c"] == 280


@pytest.mark.parametrize(
    ("changes", "field"),
    [
        ({"kit": {"vessels": ["wok"]}}, "kit.vessels"),
        ({"kit": {"vessels": ["stone"], "steam": ["geyser"]}}, "kit.steam"),
        ({"loaf": {"dough_g": 5}}, "loaf.dough_g"), ({"loaf": {"dough_g": 800, "shape": "bagel"}}, "loaf.shape"),
    ],
)  # fmt: skip
def test_a_choice_that_cannot_be_made_names_its_field(changes, field):
    with pytest.raises(CraftError) as refused:
        choose(**changes)
    assert refused.value.field == field


@settings(max_examples=60, deadline=None, phases=[Phase.generate], suppress_health_check=[HealthCheck.too_slow])
@given(
    grams=st.floats(40, 2000), shape=st.sampled_from(["roll", "boule", "baguette", "slipper", "pan_loaf"]),
    pieces=st.integers(1, 12), setpoint=st.integers(170, 280), minutes=st.integers(6, 50), fan=st.booleans(),
    sugar=st.floats(0, 0.2),
)  # fmt: skip
def test_more_minutes_never_make_a_bake_paler_lighter_or_wetter(grams, shape, pieces, setpoint, minutes, fan, sugar):
    vessel = "tin" if shape == "pan_loaf" else "tray"
    loaf = Loaf(grams, 0.65, 24, shape, pieces, sugar)
    went = course(loaf, vessel, (setpoint, 25), ((minutes, setpoint, False),), oven=O60, fan=fan)
    after = went.minutes >= 0
    assert (np.diff(went.colour[after]) >= -1e-9).all() and (np.diff(went.base_colour[after]) >= -1e-9).all()
    later = went.minutes >= 6
    assert (np.diff(went.loss[later]) >= -2e-4).all()
    assert abs(went.energy_gap_j) < 2 and abs(went.water_gap_kg) < 1e-8
