"""The same bread with another leaven: flour and water kept, and what it does to bulk."""

import pytest

from gentle_crust.core.culture.swap import bulk_time, swap
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.model import Extra, FlourShare, Formula, Preferment
from gentle_crust.core.formula.scaling import weigh

FLOURS = (FlourShare("strong_white", 80), FlourShare("whole_wheat", 20))
YEASTED = Formula("Plain", FLOURS, 70, 2, "boule", (Extra("Seeds", "seeds", 5),), yeast_percent=0.4, dough_c=24)
POOLISH = Formula("Long", FLOURS, 70, 2, "boule", preferments=(Preferment("poolish", "strong_white", 30, 100, 0.1),))
LEVAIN = Formula(
    "Sour", FLOURS, 74, 2, "boule", preferments=(Preferment("levain", "strong_white", 12, 80),), dough_c=25
)


def totals(formula):
    weighed = weigh(formula, 2, 850)
    lines = [line for stage in weighed.stages for line in stage.lines]
    flour = sum(line.g for line in lines if line.role == "flour")
    return sum(line.g for line in lines if line.role == "water") / flour, weighed.overall_salt_percent


@pytest.mark.parametrize(("formula", "leaven"), [(YEASTED, "levain"), (POOLISH, "levain"), (LEVAIN, "yeast")])
def test_flour_and_water_stay_overall(formula, leaven):
    other = swap(formula, leaven).formula
    assert totals(other) == pytest.approx(totals(formula))
    assert other.flours == formula.flours and other.extras == formula.extras
    assert other.leaven == leaven


def test_culture_takes_longer_and_both_say_how_sure_they_are():
    found = swap(YEASTED, "levain")
    assert found.formula.instant_yeast_percent == 0
    assert found.after.likely_h > found.before.likely_h + 1
    for time in (found.before, found.after):
        assert time.low_h < time.likely_h < time.high_h


@pytest.mark.parametrize("dough_c", [21, 24, 27, 30])
def test_yeast_is_dosed_for_three_hours_at_the_doughs_own_temperature(dough_c):
    other = swap(
        Formula("Sour", FLOURS, 74, 2, "boule", preferments=LEVAIN.preferments, dough_c=dough_c), "yeast"
    ).formula
    assert bulk_time(other).likely_h == pytest.approx(3, abs=0.15)


def test_warmer_dough_wants_less_yeast():
    doses = [
        swap(Formula("Sour", FLOURS, 74, 2, "boule", preferments=LEVAIN.preferments, dough_c=c), "yeast").formula
        .instant_yeast_percent for c in (21, 24, 27)
    ]  # fmt: skip
    assert doses == sorted(doses, reverse=True)


def test_there_and_back_is_a_levain_dough_again():
    back = swap(swap(LEVAIN, "yeast").formula, "levain").formula
    assert back.preferments[0].kind == "levain" and back.hydration_percent == LEVAIN.hydration_percent


def test_the_same_leaven_is_refused():
    for formula, leaven in ((YEASTED, "yeast"), (LEVAIN, "levain")):
        with pytest.raises(CraftError) as refused:
            swap(formula, leaven)
        assert refused.value.field == "leaven"
