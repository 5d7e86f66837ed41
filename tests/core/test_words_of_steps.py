"""What a plan tells the hands: it can be weighed, folds agree with their steps, and it speaks of this loaf's shape."""

import re
from dataclasses import replace
from datetime import UTC, datetime

import pytest

from gentle_crust.contract.kitchen import Settings
from gentle_crust.core.clock import Nights, Room
from gentle_crust.core.fermentation.marks import in_bowl
from gentle_crust.core.formula.model import FlourShare, Formula, Preferment
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.kitchen.plans import marks_of
from gentle_crust.text.render import say
from tests.plans import Wish, kitchen, make_plan, said, steps_of

NOW = datetime(2026, 11, 28, 6, 30, tzinfo=UTC)
READY = datetime(2026, 11, 29, 15, tzinfo=UTC)
KITCHEN = kitchen("Europe/Lisbon", Room(22, 19, 4), Nights(22.5, 6.5), Oven("electric", 250))
WHITE = (FlourShare("strong_white", 100),)
LEVAIN = (Preferment("levain", "strong_white", 10, 100),)
VESSELS = {
    kind: Vessel(kind, kind, kind.replace("_", " ").title()) for kind in ("lidded_cast_iron", "stone", "tray", "tin")
}


def plan_of(shape="boule", vessel="lidded_cast_iron", weight=850, pieces=1, scale=1.0, **changes):
    formula = Formula("Loaf", WHITE, 72, 2, shape, (), LEVAIN)
    formula = replace(formula, **{key: changes.pop(key) for key in list(changes) if hasattr(formula, key)})
    wish = Wish(formula, pieces, weight, READY, "room", VESSELS[vessel], **{"dough_c": 25.0, **changes})
    return make_plan(wish, replace(KITCHEN, scale_g=scale), NOW)


@pytest.mark.parametrize("scale", [0.1, 1.0, 5.0])
@pytest.mark.parametrize(("share", "weight"), [(8, 250), (20, 850), (30, 1700), (40, 5000)])
@pytest.mark.parametrize("percent", [0.05, 0.1, 0.3, 0.9])
def test_little_yeast_is_weighed_in_water_and_never_more_used_than_was_stirred(scale, share, weight, percent):
    poolish = Preferment("poolish", "strong_white", share, 100, percent)
    plan = plan_of("slipper", "tray", weight, scale=scale, yeast_percent=0.3, preferments=(poolish,))
    step = next(step for step in plan.steps if step.kind == "preferment")
    detail = said(step.detail)
    flour, water = (float(found) for found in re.findall(r"([\d.]+) g (?:flour|water)", detail)[:2])
    if "Too little" not in detail:
        assert flour * percent / 100 >= 2 * scale - 0.01 or water < 10 * scale * 2
        return
    told = re.search(r"stir ([\d.]+) g of the yeast into ([\d.]+) g of the water, use ([\d.]+) g", detail)
    yeast, stirred, used = (float(figure) for figure in told.groups())
    assert used <= stirred + 0.01 and stirred <= water + 0.1
    assert yeast % max(1, scale) == 0
    assert used * yeast / stirred == pytest.approx(flour * percent / 100, rel=0.03, abs=0.006)


@pytest.mark.parametrize("folds", [None, 0, 1, 2, 3, 4, 6, 8])
@pytest.mark.parametrize(("dough_c", "percent"), [(25, 10), (30, 30), (23, 5)])
def test_fold_words_count_the_steps_that_there_are(folds, dough_c, percent):
    plan = plan_of(folds=folds, dough_c=dough_c, preferments=(Preferment("levain", "strong_white", percent, 100),))
    made, told = steps_of(plan, "fold"), plan.fold_plan
    words = said(told.sentence)
    assert told.count == len(made)
    for number, step in enumerate(made, 1):
        assert said(step.title) == (f"Fold {number} of {len(made)}" if len(made) > 1 else "Fold 1 of 1")
    if folds:
        assert len(made) == folds, "folds that were asked for fit into this bulk, closer together"
    if told.count > 1:
        gap = (made[1].at - made[0].at).total_seconds() / 60
        assert told.every_min == pytest.approx(gap, abs=1) and f"{told.count} sets" in words
    handling = said(plan.feel.handling)
    assert handling.startswith((f"{len(made)} ", "One stretch") if made else "No folds")
    if told.count == 1:
        assert "One set" in words and "sets" not in words


def test_a_bulk_too_short_for_folds_says_to_knead_and_prints_no_interval():
    quick = plan_of("slipper", "tray", 400, preferments=(), yeast_percent=3.0, dough_c=31, hydration_percent=78)
    assert not steps_of(quick, "fold") and not quick.fold_plan.kind
    assert "knead" in said(quick.fold_plan.sentence) and "apart" not in said(quick.fold_plan.sentence)


@pytest.mark.parametrize(
    ("shape", "vessel", "weight", "shaped", "never"),
    [
        ("baguette", "stone", 350, "floured cloth", "basket"),
        ("baguette", "tray", 350, "lined tray", "stretch from below"),
        ("slipper", "stone", 450, "Cut, do not shape", "basket"),
        ("slipper", "tray", 450, "lined tray", "basket"),
        ("flat_round", "stone", 250, "Round up", "basket"),
        ("roll", "tray", 90, "under the palm", "stretch from below"),
        ("boule", "lidded_cast_iron", 850, "floured basket", "tray"),
        ("boule", "tray", 850, "lined tray", "basket"),
        ("pan_loaf", "tin", 900, "greased tin", "basket"),
    ],
)
def test_hands_are_told_by_the_shape(shape, vessel, weight, shaped, never):
    plan = plan_of(shape, vessel, weight)
    (step,) = steps_of(plan, "shape")
    assert shaped in said(step.detail) and never not in said(step.detail)
    scored = steps_of(plan, "score")
    assert bool(scored) == (shape not in ("slipper", "flat_round"))
    assert all("blades" in [each.code for each in cut.cautions] for cut in scored)


def test_rye_is_not_scored_and_rounds_are_opened_by_hand():
    rye = plan_of("pan_loaf", "tin", 900, flours=(FlourShare("whole_rye", 100),), hydration_percent=84,
                  preferments=(Preferment("levain", "whole_rye", 30, 100),))  # fmt: skip
    assert not steps_of(rye, "score") and "Wet hands" in said(steps_of(rye, "shape")[0].detail)
    assert "as soon as it is topped" in said(steps_of(plan_of("flat_round", "stone", 250), "load")[0].detail)
    assert "sling" in said(steps_of(plan_of(), "load")[0].detail)


def test_a_bowl_is_checked_against_the_rise_of_this_plan():
    assert in_bowl(1000, 0.5, 2.0) is None
    over = in_bowl(1000, 1.78, 2.0)
    assert (
        over is not None
        and not over.fits
        and "the dough takes 2.4 litres" in str(say(over.sentence))
        and "+178 %" in str(say(over.sentence))
    )
    plan = plan_of("slipper", "tray", 900, preferments=(), yeast_percent=0.3, school="wet_far")
    marks = {mark.vessel: mark for mark in marks_of(plan, Settings(bowl_l=1.4))}
    assert plan.proof.bulk_rise > 0.9 and not marks["bowl"].fits
    assert "bowl" not in {mark.vessel for mark in marks_of(plan, Settings(bowl_l=4.0))}
