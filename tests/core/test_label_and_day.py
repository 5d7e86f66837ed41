"""What is in the bread and what it costs, several doughs on one day, friction learnt, old yeast tested."""

from dataclasses import replace

import pytest

from gentle_crust.core.checks import Equipment, checks
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.label import cost, label
from gentle_crust.core.formula.model import Extra, FlourShare, Formula, Preferment
from gentle_crust.core.formula.scaling import weigh
from gentle_crust.core.formula.yeast_test import verdict
from gentle_crust.core.leaven.together import Batch, together
from gentle_crust.core.water.balance import Mix, Part, dough_from, factor_rule, friction_from, water_for
from gentle_crust.core.water.friction import check_measured, learnt
from gentle_crust.core.water.mixing import Mixed
from gentle_crust.core.water.plan import Bowl, plan_water
from gentle_crust.core.water.taps import Taps, draw
from gentle_crust.text.render import say

LEVAIN = Preferment("levain", "strong_white", 10, 100)
LOAF = Formula(
    "Loaf", (FlourShare("strong_white", 70), FlourShare("rye", 30)), 70, 2, "boule",
    (Extra("Walnuts", "other", 10), Extra("Butter", "butter", 4)), (LEVAIN,),
)  # fmt: skip


def batch(formula, pieces=2, each=800):
    formula = replace(formula, pieces=pieces, scaling_weight_g=each)
    return Batch(formula, weigh(formula, pieces, each))


def test_the_label_goes_by_weight_and_names_allergens():
    found = label(LOAF, weigh(LOAF, 2, 800))
    grams = [each.g for each in found.ingredients]
    assert grams == sorted(grams, reverse=True) and say(found.ingredients[0].name).sentence == "Strong white"
    assert {say(each).sentence for each in found.allergens} == {"gluten (wheat)", "gluten (rye)", "nuts", "milk"}
    assert "sourdough culture" in say(found.text).sentence and "Local food rules decide" in str(say(found.rules))


def test_cost_by_hand_and_what_has_no_price():
    """Of 1000 g dough's flour share, only strong white is priced: 2 a kilo."""
    weighed = weigh(LOAF, 2, 800)
    found = cost(weighed, 2, {"flour-strong_white": 2.0})
    assert found.batch == pytest.approx(weighed.flour_g * 0.7 / 1000 * 2)
    assert found.per_piece == pytest.approx(found.batch / 2)
    assert {say(each).sentence for each in found.without} == {"Fine rye", "Salt", "Walnuts", "Butter"}
    assert cost(weighed, 2, {}) is None


def test_several_doughs_share_one_levain_and_one_sum():
    other = replace(LOAF, name="Other", extras=(), preferments=(replace(LEVAIN, flour_percent=20),))
    rye = replace(LOAF, name="Rye", preferments=(Preferment("levain", "rye", 15, 100),))
    batches = (batch(LOAF), batch(other, 4), batch(rye, 3, 900))
    found = together(batches, kept_g=50, ratio=2)
    assert found.pieces == 9 and found.dough_g == pytest.approx(sum(each.weighed.dough_g for each in batches))
    assert sum(each.g for each in found.ingredients) == pytest.approx(found.dough_g)
    white, dark = found.levains
    assert [say(each.name).sentence for each in (*white.into, *dark.into)] == ["Loaf", "Other", "Rye"]
    assert white.needed_g == pytest.approx(batches[0].weighed.stages[0].g + batches[1].weighed.stages[0].g)
    assert white.build.g == pytest.approx((white.needed_g + 50) * 1.03)
    assert white.build.flour_g == pytest.approx(2 * white.build.seed_g)


@pytest.mark.parametrize(
    ("formula", "equipment", "code"),
    [
        (LOAF, Equipment(bowl_l=1), "bowl_small"),
        (LOAF, Equipment(mixer_dough_g=1000), "mixer_small"),
        (replace(LOAF, shape="pan_loaf"), Equipment(tin_ml=1000), "tin_small"),
        (replace(LOAF, shape="pan_loaf"), Equipment(tin_ml=4000), "tin_large"),
        (LOAF, Equipment(scale_g=5), "too_small"),
        (replace(LOAF, dough_c=18, preferments=(replace(LEVAIN, flour_percent=1),)), Equipment(), "too_slow"),
        (replace(LOAF, dough_c=33, yeast_percent=3), Equipment(), "too_quick"),
    ],
)
def test_the_kitchens_limits_are_said(formula, equipment, code):
    weighed = weigh(formula, formula.pieces, formula.scaling_weight_g)
    fine = Equipment(0.01, 50, 9000, 1900)
    assert code in [each.code for each in checks(formula, weighed, equipment)]
    assert not {"bowl_small", "mixer_small", "tin_small", "too_small"} & {
        each.code for each in checks(formula, weighed, fine)
    }


MIX = Mix((Part(1000, 1.8, 20), Part(20, 0.9, 21)), 1000, 650, 20, 21, None, "none", Mixed(6.0))


def test_the_bowl_takes_its_share_and_friction_is_found_again():
    cold = replace(MIX, bowl=Bowl("steel", 2000, 5).part())
    assert water_for(25, cold) > water_for(25, MIX)
    assert dough_from(water_for(25, cold), cold) == pytest.approx(25)
    for mix in (MIX, cold):
        assert friction_from(dough_from(18, mix), 18, mix) == pytest.approx(6.0)
    with pytest.raises(CraftError):
        Bowl("wood", 500, 20).part()


def test_the_factor_rule_by_hand_and_why_it_differs():
    assert factor_rule(25, MIX) == 3 * 25 - 20 - 21 - 18
    answer = plan_water(replace(MIX, room_c=8, flour_c=8, parts=(Part(1000, 1.8, 8),)), 25, Taps(12))
    assert answer.factor_method_water_c > answer.water_c and "warmer: it " in str(say(answer.factor_why))


def test_hot_tap_before_kettle_and_freezer_ice_takes_more():
    """200 g at 30 from 10 and 50: half and half. Above the hot tap the kettle tops it up."""
    half = draw(30, 200, Taps(10, hot_c=50))
    assert (half.tap_g, half.hot_tap_g, half.kettle_g) == pytest.approx((100, 100, 0))
    more = draw(60, 200, Taps(10, hot_c=50))
    assert more.tap_g == 0 and more.hot_tap_g + more.kettle_g == pytest.approx(200) and more.kettle_g > 0
    assert draw(8, 200, Taps(20, ice_c=-18)).ice_g == pytest.approx(200 * 12 / (20 + 89))


def test_friction_leaves_the_table_slowly():
    assert learnt("spiral_mixer", ()).k == 7.5
    ks = [learnt("spiral_mixer", (10.0,) * count).k for count in range(5)]
    assert ks == sorted(ks) and ks[1] < 9.5 < ks[4] < 10
    assert learnt("folds", (3.0,)).k < 1 and learnt("folds", (3.0,)).mixes == 1
    with pytest.raises(CraftError) as refused:
        check_measured(44)
    assert refused.value.field == "dough_c"


@pytest.mark.parametrize(
    ("foam", "minutes", "state", "dose"),
    [("thick", 8, "lively", 1), ("none", 8, "wait", 1), ("none", 12, "wait", 1), ("none", 15, "dead", 0),
     ("thin", 11, "weak", 1.5), ("few_bubbles", 11, "wait", 1), ("few_bubbles", 19, "wait", 1),
     ("few_bubbles", 20, "weak", 2)],
)  # fmt: skip
def test_the_glass_tells_live_yeast_from_dead(foam, minutes, state, dose):
    found = verdict(foam, minutes)
    assert (found.state, found.dose) == (state, dose)
