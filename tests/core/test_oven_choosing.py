"""Which way suits a loaf, what bakers disagree about, what is refused, and when a loaf is done."""

import pytest

from gentle_crust.core.errors import CraftError
from gentle_crust.core.oven.bake import Bake, bake
from gentle_crust.core.oven.calibration import calibrate
from gentle_crust.core.oven.dials import gas_mark, other_dial
from gentle_crust.core.oven.doneness import lag, remedies
from gentle_crust.core.oven.equipment import Oven, Vessel, per_load
from gentle_crust.core.oven.hazards import hazards
from gentle_crust.core.oven.kit import InVessel, OvenHeat, OvenStage, Preheat, Steam
from gentle_crust.core.oven.loads import loads
from gentle_crust.core.oven.loaf import Loaf
from gentle_crust.core.oven.ranking import CRITERIA, WEIGHTS, rank
from gentle_crust.core.oven.schools import schools
from gentle_crust.core.oven.staged import Done, Want, draft
from gentle_crust.core.oven.steps import touches
from gentle_crust.text.render import say

KIT = (
    Vessel("pot", "lidded_cast_iron", "Iron pot", 1),
    Vessel("clay", "lidded_clay", "Clay pot", 1),
    Vessel("stone", "stone", "Stone", 1),
    Vessel("tin", "tin", "Tins", 2),
    Vessel("tray", "tray", "Tray", 2),
)
MEANS = ("hot_stones_and_water", "soaked_towels", "mist_loaf")
BOULE = Loaf(850, 0.74, 22)
BAGUETTE = Loaf(350, 0.70, 22, "baguette")


def best(loaf, pieces, wish):
    return rank(loaf, pieces, KIT, Oven(), MEANS, wish)


def test_one_boule_is_best_in_a_pot_and_every_point_has_its_reason():
    ways = best(BOULE, 1, "usual")
    assert ways[0].vessel.id == "pot" and ways[0].preheated == "whole"
    for way in ways:
        if way.unfit:
            assert str(say(way.unfit)).endswith(".") and not way.points
        else:
            assert [point.criterion for point in way.points] == list(CRITERIA)
            assert all(point.why and 0 <= point.score <= 5 for point in way.points)
    steamed = {way.steam for way in ways if way.vessel.id == "stone"}
    assert ("hot_stones_and_water", "soaked_towels") in steamed and () in steamed


def test_baguettes_do_not_fit_pots_and_are_said_not_to():
    ways = best(BAGUETTE, 4, "usual")
    assert ways[0].vessel.id in ("stone", "tray")
    unfit = {way.vessel.id for way in ways if way.unfit}
    assert unfit == {"pot", "clay", "tin"} and all(way.unfit for way in ways[-3:])


@pytest.mark.parametrize("wish", sorted(WEIGHTS))
def test_a_wish_moves_what_it_is_about(wish):
    ways = [way for way in best(BOULE, 4, wish) if not way.unfit]
    scores = [way.score for way in ways]
    assert all(0 <= score <= 100 for score in scores)
    first, usual = ways[0], best(BOULE, 4, "usual")[0]
    if wish == "many":
        assert first.all_min == min(way.all_min for way in ways)
    if wish == "tall":
        assert first.drawn.baked.end("spring") >= usual.drawn.baked.end("spring") - 4
    if wish == "soft":
        assert first.drawn.baked.end("colour") < 60
    if wish == "thick":
        assert first.drawn.baked.end("colour") > best(BOULE, 4, "thin")[0].drawn.baked.end("colour")


def test_a_draft_is_done_when_it_ends_and_follows_size_and_count():
    small, big = (draft(Loaf(g, 0.74, 22), 1, KIT[0], Oven(), Want()) for g in (500, 1100))
    for made in (small, big):
        assert made.done.minute == pytest.approx(made.bake.minutes, abs=4)
        assert made.baked.end("core") >= made.done.core_c - 0.5
    assert big.bake.minutes > small.bake.minutes + 6
    assert per_load(KIT[4], Oven(), Loaf(90, shape="roll"), 40) > per_load(KIT[4], Oven(), BOULE, 40)


def test_the_set_points_follow_the_oven():
    still, fan = (draft(BOULE, 1, KIT[2], Oven(kind), Want()) for kind in ("electric", "electric_fan"))
    assert still.bake.stages[0].setpoint_c - fan.bake.stages[0].setpoint_c == 20 and fan.bake.stages[0].fan
    weak = draft(BOULE, 1, KIT[2], Oven(top_c=210), Want())
    assert weak.short_k > 0 and max(stage.setpoint_c for stage in weak.bake.stages) <= 210


def test_schools_say_what_they_change():
    found = {school.key: school for school in schools(BOULE, 1, KIT[0], Oven(), Want())}
    assert found["hot"].default and not found["hot"].changes
    cold, ice = str(say(found["cold"].changes)), str(say(found["ice"].changes))
    assert "less heating." in cold and "later." in cold
    assert "within what can be seen" in ice
    assert str(say(found["ice"].advice)).startswith("Not recommended")
    open_bake = {school.key for school in schools(BOULE, 1, KIT[2], Oven(), Want(steam=MEANS))}
    assert {"on", "off", "spray"} <= open_bake


def asked(vessel="stone", preheated="whole", steam=(), setpoint=245, oven="electric", fan=False, minutes=20):
    return Bake(
        BOULE,
        InVessel(vessel, preheated),
        OvenHeat(oven),
        Preheat(setpoint, 50),
        (OvenStage(minutes, setpoint, True, fan), OvenStage(20, 220)),
        tuple(Steam(*each) if isinstance(each, tuple) else Steam(each) for each in steam),
    )


@pytest.mark.parametrize(
    ("bake_", "vessel", "oven", "paper", "code", "weight"),
    [
        (asked(steam=["ice_in_pot"]), None, None, None, "ice", "refused"),
        (asked("lidded_clay", steam=["ice_in_pot"]), None, None, None, "ice", "refused"),
        (asked("lidded_cast_iron", steam=["ice_in_pot"]), None, None, None, "ice", "caution"),
        (asked(steam=["soaked_towels"], fan=True), None, None, None, "towels_fan", "caution"),
        (asked(steam=[("soaked_towels", 150)]), None, None, None, "towels_dry", "refused"),
        (asked(), None, None, 220, "paper", "caution"),
        (
            asked("lidded_enamel", "none"),
            Vessel("e", "lidded_enamel", "Pot", knob_c=190),
            None,
            None,
            "knob",
            "refused",
        ),
        (asked("tray"), Vessel("t", "tray", "Tray", rated_c=220), None, None, "rating", "refused"),
        (asked("lidded_clay"), None, None, None, "empty_preheat", "caution"),
        (asked(steam=["water_pan"], oven="gas"), None, None, None, "gas_floor", "caution"),
        (asked(setpoint=280), None, Oven(top_c=250), None, "too_hot", "refused"),
        (asked("lidded_cast_iron", steam=["water_pan"]), None, None, None, "under_lid", "caution"),
        (asked(steam=["mist_walls"]), None, None, None, "spray", "caution"),
    ],
)
def test_what_is_dangerous_is_refused_or_cautioned_with_its_reason(bake_, vessel, oven, paper, code, weight):
    found = {hazard.code: hazard for hazard in hazards(bake_, vessel, oven, paper)}
    assert found[code].weight == weight and str(say(found[code].text)).endswith(".")


def test_a_plain_bake_has_nothing_against_it():
    assert hazards(asked("lidded_cast_iron"), KIT[0], Oven(), None) == ()


def test_signs_of_a_loaf_and_their_remedies():
    done = Done(96, 55, 0.10, 38, 42, 30)
    assert done.last == "colour" and done.minute == 42 and lag(done).by_min == 4
    assert remedies(97, 60, 60, 0.12, done) == ()
    codes = [sign.code for sign in remedies(85, 85, 60, None, done)]
    assert codes == ["too_dark"]
    assert [sign.code for sign in remedies(97, 58, 10, None, done)] == ["pale_base"]
    assert [sign.code for sign in remedies(97, 58, 60, 0.05, done)] == ["moist"]
    assert remedies(80, None, None, None, done)[0].minutes > remedies(92, None, None, None, done)[0].minutes


def test_an_oven_is_learnt_from_what_was_measured():
    learnt = calibrate("electric", 55, [(0, 21), (5, 150), (8, 205), (12, 236)], [(200, 186), (230, 216)], "left")
    assert learnt.offset_k == -14 and learnt.hot_side == "left" and 9 <= learnt.heat_up_min <= 12
    went = bake(asked())
    assert 1500 < learnt.heater_w < 3000 and went.end("core") > 80
    slow = calibrate("electric", 55, [(0, 21), (10, 120), (20, 190), (28, 225)])
    assert slow.heater_w < learnt.heater_w
    assert calibrate("gas", 60).said == ()
    with pytest.raises(CraftError) as refused:
        calibrate("electric", 55, [(0, 200), (5, 100)])
    assert refused.value.field == "heat_up"


def test_dials():
    assert [gas_mark(c) for c in (100, 135, 180, 220, 240, 300)] == ["", "1", "4", "7", "9", ""]
    assert other_dial(220, fan=False) == 200 and other_dial(200, fan=True) == 220


def test_steps_say_what_goes_in_and_out_with_the_tools_there_are():
    made = draft(BOULE, 1, KIT[2], Oven(hot_side="left"), Want(steam=("soaked_towels",)))
    found = {step.kind: step for step in touches(made.bake, made.done, KIT[2], Oven(hot_side="left"), ("scissors",))}
    assert found["steam_in"].minute == -15 and {each.code for each in found["steam_in"].cautions} == {"towels"}
    assert found["steam_out"].minute == found["vent"].minute and "Towels and their tray out" in str(
        say(found["steam_out"].text)
    )
    assert {each.code for each in found["steam_out"].cautions} == {"towels", "hot_iron"}
    load = str(say(found["load"].text))
    assert load.startswith("Snip with scissors. Slide it off an upturned tray, dusted with meal. Steam in, ")
    assert "left" in str(say(found["turn"].text))
    assert found["preheat"].minute < found["load"].minute < found["vent"].minute < found["out"].minute


def test_loads_wait_in_the_cold_and_what_that_does():
    found = loads(5, 2, 40, 22, 4, levain=True, cold=False)
    assert [(load.pieces, load.in_min, load.out_min) for load in found] == [(2, 0, 40), (2, 50, 90), (1, 100, 140)]
    assert not found[0].waits and "Chill it" in str(say(found[1].waits))
    assert loads(2, 2, 40, 22, 4, levain=True, cold=False)[-1].number == 1
