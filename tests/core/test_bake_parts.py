"""The parts of the bake one by one: what a dry skin takes up, how stones even out, what shines, what a load is."""

from dataclasses import replace
from itertools import pairwise

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from gentle_crust.core.oven.at_once import at_once, shelf_cm2
from gentle_crust.core.oven.bake import LINES, Bake, bake
from gentle_crust.core.oven.chamber import joined_at
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.oven.heating import at_rest, taken_up
from gentle_crust.core.oven.kit import Fired, InVessel, OvenHeat, OvenStage, Preheat, Steam
from gentle_crust.core.oven.loaf import Loaf, rings
from gentle_crust.core.oven.ranking import rank
from gentle_crust.core.oven.staged import Want, draft
from gentle_crust.core.oven.vapour import boiling_of, moisture_of, thirst

TRAY, STONE, TIN = Vessel("t", "tray", "Tray", 2), Vessel("s", "stone", "Stone"), Vessel("p", "tin", "Tin", 2)
OVEN = Oven("electric", 275, 60, 2500)


def baked(loaf=None, vessel="stone", oven=None, minutes=30, setpoint=230, covered=0, steam=(), hot="whole", **more):
    stages = (OvenStage(covered, setpoint, True),) if covered else ()
    return bake(
        Bake(
            loaf or Loaf(700, 0.7, 24), InVessel(vessel, hot), oven or OvenHeat("electric", 2500, 60),
            Preheat(setpoint, 45), (*stages, OvenStage(minutes, setpoint)), tuple(map(Steam, steam)), **more,
        )
    )  # fmt: skip


@settings(deadline=None)
@given(moisture=st.floats(0.016, 1.2))
def test_water_activity_and_moisture_are_each_others_inverse(moisture):
    activity = 1 / (1 + thirst(moisture))
    assert moisture_of(activity) == pytest.approx(moisture, rel=1e-6)


@settings(deadline=None)
@given(surface=st.floats(60, 240), steam=st.floats(0.5, 100))
def test_a_skin_at_rest_is_drier_the_hotter_it_is_and_moister_in_more_steam(surface, steam):
    rests = at_rest(surface, steam)
    assert at_rest(surface + 5, steam) <= rests + 1e-12 <= at_rest(surface, steam * 1.1) + 2e-12


@settings(deadline=None)
@given(surface=st.floats(80, 160), moisture=st.floats(0.02, 0.2), steam=st.floats(40, 100))
def test_a_dry_skin_takes_up_so_much_that_its_own_heat_stops_it(surface, moisture, steam):
    warms = 2.26e6 / (1700 + 4180 * moisture)
    taken = taken_up(surface, moisture, at_rest(surface, steam), steam, warms)
    assert 0 <= taken <= max(at_rest(surface, steam) - moisture, 0) + 1e-12
    hotter = surface + warms * taken
    assert hotter <= max(boiling_of(thirst(moisture + taken), np.log10(steam)), surface) + 1.5


@settings(deadline=None)
@given(
    face=st.floats(20, 400), behind=st.floats(20, 400), seconds=st.floats(1, 600),
    face_j=st.floats(500, 50_000), behind_j=st.floats(500, 500_000), joint=st.floats(1, 300),
)  # fmt: skip
def test_a_face_and_what_lies_behind_it_even_out_and_keep_their_heat(face, behind, seconds, face_j, behind_j, joint):
    one, other = joined_at(seconds, face, behind, face_j, behind_j, joint, True)
    assert face_j * one + behind_j * other == pytest.approx(face_j * face + behind_j * behind, rel=1e-9)
    assert abs(one - other) <= abs(face - behind) + 1e-9 and min(face, behind) - 1e-9 <= one <= max(face, behind) + 1e-9
    assert joined_at(seconds, face, behind, face_j, 0.0, joint, True) == (face, behind), "thin metal is one part"


def test_a_lid_of_bright_metal_keeps_a_loaf_paler_than_a_black_one():
    dome, pot = (baked(vessel=kind, covered=25, minutes=15) for kind in ("metal_dome", "lidded_cast_iron"))
    assert dome.end("colour") < pot.end("colour") - 8


def test_a_crust_browns_later_in_the_steam_of_a_lid_than_in_the_open():
    lidded, open_ = baked(vessel="lidded_cast_iron", covered=35, minutes=1), baked(vessel="stone", minutes=36)
    assert lidded.end("colour") < 0.6 * open_.end("colour")
    assert lidded.at("vapour", 20) > 0.7 > open_.at("vapour", 20)


def test_the_skin_is_a_fifth_of_a_millimetre_and_the_rings_fill_the_loaf():
    for shape, grams in (("roll", 60), ("boule", 900), ("flat_round", 250), ("pan_loaf", 1200)):
        body = rings(shape, grams)
        assert body.width_m[0] * 1000 < 0.35
        assert body.volume_m3.sum() * 1e6 == pytest.approx(
            grams * {"roll": 3.6, "boule": 3.1, "flat_round": 3.0}.get(shape, 3.3)
        )


def fired(floor=290, dome=300, soaked=30, minutes=60, pieces=4, loaf=None):
    oven = OvenHeat("wood", 2500, 300, 0, Fired(floor, dome, soaked))
    sticks = loaf or Loaf(350, 0.7, 24, "baguette", pieces)
    return bake(Bake(sticks, InVessel("oven_floor"), oven, Preheat(0, 0), (OvenStage(minutes, 250),)))


def test_a_fired_oven_that_stood_longer_holds_its_heat_longer():
    short, long_ = fired(soaked=0), fired(soaked=90)
    assert long_.at("wall", 60) > short.at("wall", 60) + 3
    assert short.heater_j == long_.heater_j == 0


def test_more_bread_cools_a_fired_dome_more_and_a_hotter_floor_bakes_sooner():
    falls = [fired(pieces=pieces).at("wall", 0) - fired(pieces=pieces).at("wall", 40) for pieces in (1, 4, 8)]
    assert all(more > less for less, more in pairwise(falls))
    golden = [fired(floor, floor + 10).minute_of("colour", 40) for floor in (240, 290, 340)]
    assert golden == sorted(golden, reverse=True)


def test_a_bake_ended_sooner_is_the_same_bake_so_far():
    whole = baked(minutes=40)
    cut = whole.until(25.0)
    assert cut.minutes[-1] == pytest.approx(25) and len(cut.core) == len(cut.minutes)
    for line in LINES:
        assert cut.end(line) == pytest.approx(whole.at(line, 25.0)), line
    alone = baked(minutes=25)
    assert cut.end("core") == pytest.approx(alone.end("core"), abs=0.2)
    assert cut.end("colour") == pytest.approx(alone.end("colour"), abs=0.5)


@pytest.mark.parametrize(
    ("loaf", "vessel", "pieces", "low_c", "high_c", "minutes", "loss"),
    [
        (Loaf(80, 0.66, 25, "roll"), TRAY, 8, 205, 225, (14, 19), (0.10, 0.17)),
        (Loaf(80, 0.60, 25, "roll", 1, 0.1, 0.4), TRAY, 12, 175, 195, (12, 18), (0.07, 0.125)),
        (Loaf(900, 0.66, 25, "pan_loaf"), TIN, 1, 195, 215, (34, 50), (0.08, 0.17)),
        (Loaf(900, 0.60, 25, "pan_loaf", 1, 0.1, 0.4), TIN, 1, 175, 195, (32, 50), (0.06, 0.15)),
        (Loaf(350, 0.70, 24, "baguette"), STONE, 2, 230, 250, (17, 27), (0.12, 0.24)),
        (Loaf(250, 0.65, 24, "flat_round"), STONE, 1, 240, 275, (5, 11), (0.08, 0.21)),
    ],
)
def test_profiles_of_six_breads_are_what_a_baker_would_set(loaf, vessel, pieces, low_c, high_c, minutes, loss):
    made = draft(loaf, pieces, vessel, OVEN, Want(steam=("water_pan",)))
    first = made.bake.stages[0].setpoint_c
    assert low_c <= first <= high_c, first
    assert minutes[0] <= made.bake.minutes <= minutes[1], made.bake.minutes
    assert loss[0] <= made.baked.end("loss") <= loss[1], made.baked.end("loss")
    assert made.baked.end("core") >= made.done.core_c - 1


def test_the_sweeter_and_milkier_a_dough_the_cooler_its_oven_down_to_a_point():
    def first(sugar, milk):
        loaf = Loaf(80, 0.6, 25, "roll", 1, sugar, milk)
        return draft(loaf, 6, TRAY, OVEN, Want()).bake.stages[0].setpoint_c

    found = [first(sugar, 0) for sugar in (0, 0.05, 0.1, 0.2)]
    assert found == sorted(found, reverse=True) and first(0.1, 0.5) < first(0.1, 0)
    assert first(0, 0) - first(0.4, 1.0) == pytest.approx(40)


@pytest.mark.parametrize("kind", ["electric", "rack", "wood"])
def test_shelves_grow_with_the_oven(kind):
    rooms = [shelf_cm2(litres, kind) for litres in (60, 150, 400, 2000)]
    assert rooms == sorted(rooms)
    assert at_once(Loaf(350, shape="baguette"), "oven_floor", 60, "wood") >= 8, "three kilos of sticks"


def test_a_pot_holds_what_it_holds_and_a_shelf_no_giant():
    loaf = Loaf(1500)
    assert at_once(loaf, "lidded_cast_iron", 60, inside_l=4.8) == 0 < at_once(loaf, "lidded_cast_iron", 60, inside_l=7)
    assert at_once(Loaf(5000, shape="flat_round"), "stone", 30) == 0


def test_what_was_wished_leads_and_a_fired_oven_is_baked_in_on_its_floor():
    kit = (Vessel("pot", "lidded_cast_iron", "Pot"), STONE, TRAY)
    means = ("hot_stones_and_water", "soaked_towels", "mist_loaf")
    tall = rank(Loaf(850, 0.74, 22), 1, kit, OVEN, means, "tall")
    easy = rank(Loaf(850, 0.74, 22), 1, kit, OVEN, means, "little_work")
    assert tall[0].vessel.id == "pot" and easy[0].vessel.id == "t" and easy[0].steam == ()
    shiny = [way for way in rank(Loaf(850, 0.74, 22), 1, kit, OVEN, means, "shiny") if way.vessel.id == "s"]
    steam = [way.drawn.baked.at("vapour", 5) for way in shiny]
    assert steam[0] == max(steam) and shiny[-1].steam == ()
    floor = replace(STONE, id="f", kind="oven_floor", name="Floor")
    oven = replace(OVEN, kind="wood", top_c=500, volume_l=300, heater_w=None)
    ways = rank(Loaf(350, 0.7, 24, "baguette"), 4, (floor, TRAY, STONE), oven, (), "usual", fired=Fired(290, 300, 40))
    assert ways[0].vessel.id == "f"
