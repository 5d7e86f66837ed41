"""What makes steam goes in and comes out by steps, each caution at its own minute and at no other."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta

import pytest

from gentle_crust.core.bench.happened import Deed, Happened
from gentle_crust.core.clock import Nights, Room
from gentle_crust.core.formula.model import FlourShare, Formula, Preferment
from gentle_crust.core.oven.bake import Bake
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.oven.kit import InVessel, OvenHeat, OvenStage, Preheat, Steam
from gentle_crust.core.oven.loaf import Loaf
from gentle_crust.core.oven.profile import RECOVERY_MIN
from gentle_crust.core.oven.staged import Done
from gentle_crust.core.oven.steaming import steaming
from gentle_crust.core.oven.steps import touches
from gentle_crust.text.render import say
from tests.plans import Bench, Wish, kitchen, make_plan

STONE = Vessel("stone", "stone", "Stone", 1)
NOW = datetime(2026, 11, 28, 6, 30, tzinfo=UTC)
WHITE = (FlourShare("strong_white", 100),)
DONE = Done(96, 50, 0.1, 30, 30, 30)
CAUSES = {
    "steam_water": ("water",),
    "steam_stones": ("stones",),
    "towels": ("towels",),
    "spray": ("spray",),
}


def of_bake(*steam: Steam, preheat_min: float = 50, shape: str = "boule", vessel: str = "stone", hot: str = "whole"):
    asked = Bake(
        Loaf(850, 0.72, 22, shape), InVessel(vessel, hot), OvenHeat(), Preheat(245, preheat_min),
        (OvenStage(16, 245, True), OvenStage(24, 225)), tuple(steam),
    )  # fmt: skip
    return touches(asked, DONE, Vessel("v", vessel, "Iron pot" if vessel != "stone" else "Stone"), Oven(), ("lame",))


def codes(touch) -> set[str]:
    return {each.code for each in touch.cautions}


@pytest.mark.parametrize(
    "kinds",
    [("hot_stones_and_water",), ("hot_pan",), ("soaked_towels",), ("water_pan",), ("mist_loaf",), ("mist_walls",),
     ("hot_stones_and_water", "soaked_towels"), ("built_in",), ()],
)  # fmt: skip
@pytest.mark.parametrize("preheat_min", [0, 10, 50])
def test_a_caution_stands_where_its_cause_is_and_nowhere_else(kinds, preheat_min):
    found = of_bake(*(Steam(kind) for kind in kinds), preheat_min=preheat_min)
    for touch in found:
        for code, causes in CAUSES.items():
            because = touch.kind.startswith("steam_") and touch.what in causes
            if code == "towels":
                assert (code in codes(touch)) == because, (touch, code)
            else:
                assert (code in codes(touch)) == (because and touch.kind == "steam_in"), (touch, code)


def test_boiling_water_is_cautioned_at_the_pour_and_stones_as_they_go_in_to_heat():
    found = of_bake(Steam("hot_stones_and_water", 500))
    stones, pour = (touch for touch in found if touch.kind == "steam_in")
    load = next(touch for touch in found if touch.kind == "load")
    assert stones.minute == -50 and codes(stones) == {"steam_stones"}
    assert (
        load.minute < pour.minute <= 1
        and codes(pour) == {"steam_water"}
        and str(say(pour.text)).startswith("500 g of boiling water")
    )
    out = next(touch for touch in found if touch.kind == "steam_out")
    assert out.minute == 16 and out.what == "stones" and codes(out) == {"hot_iron"}


@pytest.mark.parametrize(("preheat_min", "wanted"), [(50, -30), (20, -20), (0, 0)])
def test_a_pan_of_water_goes_in_no_earlier_than_the_oven_is_lit(preheat_min, wanted):
    pan = next(touch for touch in of_bake(Steam("water_pan"), preheat_min=preheat_min) if touch.kind == "steam_in")
    assert pan.minute == wanted and codes(pan) == {"steam_water"}
    kinds = [touch.kind for touch in of_bake(Steam("water_pan"), preheat_min=preheat_min)]
    assert "preheat" not in kinds or kinds.index("preheat") < kinds.index("steam_in")


def test_nothing_is_cut_where_no_knife_is_needed():
    for shape, cut in (("boule", True), ("slipper", False), ("flat_round", False)):
        load = next(touch for touch in of_bake(shape=shape) if touch.kind == "load")
        assert ("blades" in codes(load)) == cut and ("Score" in str(say(load.title))) == cut


def test_only_a_hot_lid_is_named_when_the_oven_is_lit():
    found = of_bake(vessel="lidded_cast_iron", hot="lid")
    assert "the lid of the iron pot inside, its base left out" in str(say(found[0].text))
    assert ", iron pot inside" in str(say(of_bake(vessel="lidded_cast_iron")[0].text))
    assert "inside" not in str(say(of_bake(vessel="lidded_cast_iron", hot="none")[0].text))


def test_grams_and_minutes_of_ones_own_are_kept():
    (mist,) = steaming([Steam("mist_loaf", 12, -3)], 50, 16, 40)
    assert (mist.minute, mist.g, mist.way) == (-3, 12, "in")
    towels, out = steaming([Steam("soaked_towels", 600, -10)], 50, 16, 40)
    assert (towels.minute, towels.g) == (-10, 600) and out.minute == 16
    assert steaming([Steam("water_pan")], 50, 60, 40)[-1].minute == 40
    assert steaming([Steam("none")], 50, 16, 40) == ()


def wish(vessel: Vessel = STONE, pieces: int = 1, shape: str = "boule", steam: str = "hot_pan"):
    formula = Formula("Loaf", WHITE, 70, 2, shape, (), (Preferment("levain", "strong_white", 10, 100),))
    ready, weight = datetime(2026, 11, 29, 15, tzinfo=UTC), 850 if shape == "boule" else 350
    asked = Wish(formula, pieces, weight, ready, "room", vessel, 25)
    means = () if steam == "none_at_all" else (steam,)
    return asked, kitchen("Europe/Lisbon", Room(22, 19, 4), Nights(22.5, 6.5), Oven("electric", 250), steam=means)


def test_a_plan_has_the_steps_of_its_steam():
    plan = make_plan(*wish(), NOW)
    steps = [step for step in plan.steps if step.kind.startswith("steam_")]
    assert [(step.kind, step.what) for step in steps] == [
        ("steam_in", "pan"),
        ("steam_in", "water"),
        ("steam_out", "pan"),
    ]
    by_kind = {step.kind: step for step in plan.steps}
    assert steps[0].at == by_kind["preheat"].at and steps[2].at == by_kind["vent"].at
    assert [each.code for each in steps[1].cautions] == ["steam_water"]
    assert timedelta(0) < steps[1].at - by_kind["load"].at <= timedelta(minutes=1)
    assert "steam_water" not in [each.code for each in by_kind["load"].cautions]


def test_a_plan_in_a_pot_or_without_means_has_no_boiling_water():
    pot = Vessel("pot", "lidded_cast_iron", "Pot", 1)
    for plan in (make_plan(*wish(pot), NOW), make_plan(*wish(steam="none_at_all"), NOW)):
        said = {each.code for step in plan.steps for each in step.cautions}
        assert "steam_water" not in said and not any(step.kind.startswith("steam_") for step in plan.steps)


def test_every_load_is_steamed_and_live_steps_follow_the_loading():

    dough = Bench(*wish(pieces=8, shape="baguette"), NOW)
    plan = dough.saved
    assert plan.bake.loads > 1
    pans = [step.at for step in plan.steps if step.what == "pan" and step.kind == "steam_in"]
    loads = [step.at for step in plan.steps if step.kind == "load"]
    assert len(pans) == len(loads) == plan.bake.loads
    assert loads[1] - pans[1] == timedelta(minutes=RECOVERY_MIN)
    late = loads[0] + timedelta(minutes=20)
    deeds = tuple(dough.deed(key) for key in ("mix-1", "divide-1", "shape-1"))
    happened = Happened((*deeds, Deed("load-1", late)))
    now = late + timedelta(minutes=1)
    found = {step.key: step for step in dough.at(now, happened).steps}
    assert found["steam_in-1"].state == "skipped"
    assert found["steam_in-2"].state in ("due", "coming")
    assert abs(found["steam_in-2"].at - late - timedelta(minutes=0.5)) < timedelta(seconds=2)
    assert found["steam_out-1"].at == found["vent-1"].at
    later = [found[f"steam_in-{n}"].at for n in (3, 4)]
    assert later[0] < found["load-2"].at < later[1]


def test_old_saved_bakes_without_steam_still_read():
    plan = make_plan(*wish(), NOW)
    assert replace(plan.bake, steam=()).steaming(1) == () == replace(plan.bake, steam=()).steaming(2)
