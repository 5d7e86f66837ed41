"""Yeast in a formula: its kinds, woken or not, bred for sweet doughs, and too much of it."""

from dataclasses import replace

import numpy as np
import pytest

from gentle_crust.core.checks import checks
from gentle_crust.core.fermentation.dough import makeup_of
from gentle_crust.core.fermentation.engine import Leg, begin, run
from gentle_crust.core.fermentation.uncertainty import ONE
from gentle_crust.core.formula.model import YEAST_AS_INSTANT, Extra, FlourShare, Formula, with_yeast_kind
from gentle_crust.core.formula.scaling import weigh
from gentle_crust.interchange.recipe.weigh import read_recipe
from gentle_crust.text.render import say

LEAN = Formula("Tin", (FlourShare("strong_white", 100),), 64, 2, "pan_loaf", (), (), 1.0)
SWEET = replace(LEAN, extras=(Extra("Sugar", "sugar", 20),))


def doubled_h(formula):
    made = makeup_of(formula)
    leg = Leg(12.0, np.full(120, 26.0), "covered_bowl", 1000.0, 3.0)
    return float(run(made, begin(made, 26.0, 1), leg, ONE).hours_to(1.0)[0])


def test_yeast_for_sweet_doughs_is_half_as_slowed_by_sugar_and_no_quicker_without():
    lean, sweet = doubled_h(LEAN), doubled_h(SWEET)
    bred = doubled_h(replace(SWEET, yeast_kind="osmotolerant"))
    assert lean < bred < sweet and (bred - lean) / (sweet - lean) == pytest.approx(0.5, abs=0.2)
    assert doubled_h(replace(LEAN, yeast_kind="osmotolerant")) == pytest.approx(lean, rel=1e-6)


def test_woken_yeast_begins_at_once_and_active_dry_yeast_that_was_not_waits_longest():
    instant, dry = LEAN, with_yeast_kind(LEAN, "active_dry")
    hours = {
        "instant": doubled_h(instant), "instant woken": doubled_h(replace(instant, yeast_woken=True)),
        "dry": doubled_h(dry), "dry woken": doubled_h(replace(dry, yeast_woken=True)),
    }  # fmt: skip
    assert hours["instant woken"] < hours["instant"] < hours["dry"]
    assert hours["dry woken"] == pytest.approx(hours["instant woken"], rel=0.02)
    fresh = with_yeast_kind(LEAN, "fresh")
    assert doubled_h(replace(fresh, yeast_woken=True)) == doubled_h(fresh), "fresh yeast is not dry"


@pytest.mark.parametrize("kind", YEAST_AS_INSTANT)
def test_the_same_strength_of_another_kind_is_weighed_otherwise(kind):
    other = with_yeast_kind(LEAN, kind)
    assert other.instant_yeast_percent == pytest.approx(1.0, abs=1e-4)
    line = next(line for line in weigh(other, 2, 900).dough.lines if line.role == "yeast")
    assert line.kind == kind and line.name


def test_more_yeast_than_any_dough_needs_is_remarked_on_in_a_formula_and_in_a_recipe_that_is_read():
    much = replace(LEAN, yeast_percent=2.6)
    assert "much_yeast" in [each.code for each in checks(much, weigh(much, 2, 900))]
    reading = read_recipe(("500 g bread flour", "320 g water", "10 g salt", "15 g instant yeast"))
    odd = next(each for each in reading.warnings if each.code == "yeast_high")
    assert "3.0 %" in str(say(odd.text))
    plain = read_recipe(("500 g bread flour", "320 g water", "10 g salt", "5 g instant yeast"))
    assert "yeast_high" not in [each.code for each in plain.warnings]
    fresh = read_recipe(("500 g bread flour", "320 g water", "10 g salt", "21 g fresh yeast"))
    assert "yeast_high" not in [each.code for each in fresh.warnings], "a cube of fresh yeast is a third as strong"
