"""Percentages, grams and the one temperature a baker can set."""

from math import exp

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.dough import Dough, FlourPart
from gentle_crust.core.formula.feel import feel
from gentle_crust.core.formula.model import Extra, FlourShare, Formula, Preferment, check
from gentle_crust.core.formula.scaling import total_percent, weigh
from gentle_crust.core.water.mixing import Work
from gentle_crust.core.water.plan import Pour, dough_from_waters, mix_of_dough, plan_water
from gentle_crust.core.water.taps import Taps, draw
from gentle_crust.text.render import say


def country(**changes) -> Formula:
    values = {
        "name": "Test loaf",
        "flours": (FlourShare("strong_white", 80), FlourShare("whole_wheat", 20)),
        "hydration_percent": 74,
        "salt_percent": 2,
        "shape": "boule",
        "preferments": (Preferment("levain", "strong_white", 10, 100),),
    }
    return Formula(**(values | changes))


def test_grams_by_hand():
    """1000 g flour: 100 + 100 in the levain, so 700 white, 200 whole, 640 water, 200 levain, 20 salt."""
    weighed = weigh(country(), 2, 880, bowl_loss=0)
    grams = {line.kind: round(line.g, 6) for line in weighed.stages[-1].lines}
    assert weighed.flour_g == pytest.approx(1000)
    assert grams == {"strong_white": 700, "whole_wheat": 200, "water": 640, "levain": 200, "salt": 20}
    assert weighed.mixed_hydration_percent == pytest.approx(640 / 9)
    assert weighed.mixed_salt_percent == pytest.approx(20 / 9)


@given(
    pieces=st.integers(1, 100),
    each=st.floats(30, 5000),
    hydration=st.floats(50, 110),
    share=st.floats(1, 40),
    wet=st.floats(50, 120),
    kind=st.sampled_from(["levain", "poolish", "biga"]),
    honey=st.floats(0, 8),
)
def test_nothing_is_lost_between_stages(pieces, each, hydration, share, wet, kind, honey):
    formula = country(
        hydration_percent=hydration,
        preferments=(Preferment(kind, "strong_white", share, min(wet, 100 * (hydration - 2) / share), 0.1),),
        extras=(Extra("Honey", "honey", honey),),
    )
    if not 45 <= formula.preferments[0].hydration_percent <= 150:
        return
    weighed = weigh(formula, pieces, each)
    assert weighed.stages[-1].g == pytest.approx(weighed.dough_g, abs=0.1)
    assert weighed.dough_g * 0.99 == pytest.approx(pieces * each, abs=0.1)
    assert weighed.flour_g * total_percent(formula) / 100 == pytest.approx(weighed.dough_g, abs=0.1)
    assert all(line.g >= -1e-9 for stage in weighed.stages for line in stage.lines)


@pytest.mark.parametrize(
    ("changes", "field"),
    [
        ({"flours": (FlourShare("strong_white", 90),)}, "flours"),
        ({"hydration_percent": 130}, "hydration_percent"),
        ({"salt_percent": 6}, "salt_percent"),
        ({"preferments": (Preferment("levain", "whole_wheat", 30, 100),)}, "preferments.0.flour_percent"),
        ({"preferments": (Preferment("poolish", "strong_white", 60, 150, 0.1),)}, "preferments.0.hydration_percent"),
        ({"preferments": ()}, "preferments"),
        ({"name": "  "}, "name"),
    ],
)
def test_impossible_formulas_name_their_field(changes, field):
    with pytest.raises(CraftError) as refused:
        check(country(**changes))
    assert refused.value.field == field


def test_wet_dough_is_folded_and_stiff_dough_kneaded():
    assert feel(country(hydration_percent=60)).knead
    assert feel(country(hydration_percent=74)).folds == 4
    wet = feel(country(hydration_percent=86))
    assert wet.boxed and str(say(wet.word)) == "very slack"


def water(dough, flour_c, room_c, levain_c, target_c, mixing, tap_c, **taps):
    mix = mix_of_dough(dough, flour_c, room_c, levain_c, Work(mixing))
    return plan_water(mix, target_c, Taps(tap_c, **taps))


DOUGH = Dough((FlourPart("strong_white", 900),), 630, salt_g=18, levain_g=180)


def test_water_and_dough_temperature_are_each_others_inverse():
    """1728 g kneaded 12 min in a room of 21 C lose a fifth of an hour's share of their distance to it, friction too."""
    answer = water(DOUGH, 20, 21, 22, 25, "hand_kneading", 14)
    lost = 0.2 * (1728 / 1700) ** (-1 / 3)
    stirred = 21 + (4 - 2 * (1 - exp(-lost)) / lost) / exp(-lost)
    lacking = 900 * 1.8 * (stirred - 20) + 18 * 0.9 * (stirred - 21) + 539.1 * (stirred - 22)
    by_hand = stirred + (lacking - 6 * 900) / 2639.7
    assert answer.water_c == pytest.approx(by_hand, abs=0.01)
    assert answer.dough_c == pytest.approx(25)
    assert answer.tap_g + answer.kettle_g == pytest.approx(630)
    back = dough_from_waters(mix_of_dough(DOUGH, 20, 21, 22, Work("hand_kneading")), (Pour(630, answer.water_c),))
    assert back.dough_c == pytest.approx(25, abs=0.01)


def test_heat_of_hydration_moves_the_water_by_less_than_two_kelvin(monkeypatch):
    before = water(DOUGH, 20, 21, 22, 25, "folds", 14).water_c
    monkeypatch.setattr("gentle_crust.core.water.balance.HEAT_OF_HYDRATION_J_PER_G", 4.0)
    low = water(DOUGH, 20, 21, 22, 25, "folds", 14).water_c
    assert 0 < low - before < 2


def test_summer_takes_ice_and_says_when_ice_is_not_enough():
    answer = water(DOUGH, 31, 32, 30, 24, "spiral_mixer", 22)
    assert answer.ice_g > 0 and answer.tap_g + answer.ice_g == pytest.approx(630)
    hopeless = water(DOUGH, 38, 38, 38, 17, "processor", 25)
    assert "chill_flour" in [warning.code for warning in hopeless.warnings]
    assert hopeless.ice_g == pytest.approx(315) and hopeless.dough_c > 17.5


def test_ice_share_by_hand():
    """100 g from 20 C to 10 C: ice = 100 * 10 / (20 + 80)."""
    assert draw(10, 100, Taps(20)).ice_g == pytest.approx(10)


def test_high_kitchen_has_cooler_kettles():
    assert draw(30, 600, Taps(12, altitude_m=1800)).kettle_g > draw(30, 600, Taps(12)).kettle_g


def test_water_too_hot_for_yeast_is_warned_of_then_refused():
    yeasted = Dough((FlourPart("strong_white", 1000),), 650, salt_g=20, instant_yeast_g=5)
    warm = water(yeasted, 5, 5, 5, 30, "spoon", 10)
    assert "yeast_dies" in [warning.code for warning in warm.warnings]
    with pytest.raises(CraftError) as refused:
        water(yeasted, 5, 5, 5, 34.5, "spoon", 10)
    assert refused.value.field == "target_dough_c" and "or less" in say(refused.value.what).remedy


def test_waters_that_do_not_add_up_are_reckoned_as_poured_and_said():
    mix = mix_of_dough(DOUGH, 20, 21, 22, Work("folds", usual_k=0.5))
    short = dough_from_waters(mix, (Pour(100, 98), Pour(300, 12)))
    assert short.water_c == pytest.approx(33.5) and 24 < short.dough_c < 30
    assert [each.code for each in short.warnings] == ["waters_differ"]
    assert dough_from_waters(mix, (Pour(630, 33.5),)).dough_c > short.dough_c
    with pytest.raises(CraftError) as refused:
        dough_from_waters(mix, (Pour(100, 98),))
    assert refused.value.field == "waters"


def test_ice_that_was_poured_cools_by_its_melting():
    mix = mix_of_dough(DOUGH, 29, 31, 29, Work("folds", usual_k=7.5))
    answer = plan_water(mix, 25, Taps(24, None, -18))
    back = dough_from_waters(mix, (Pour(answer.tap_g, 24), Pour(answer.ice_g, -18, ice=True)))
    assert answer.ice_g > 50 and back.dough_c == pytest.approx(25, abs=0.05)
