"""Yeasted doughs: bulk leaves a proof to come; one that goes too far says sooner or less yeast before the fridge."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta

import pytest

from gentle_crust.core.clock import Nights, Room
from gentle_crust.core.course.mends import alternatives
from gentle_crust.core.course.targets import usual_proof_h
from gentle_crust.core.formula.model import FlourShare, Formula, Preferment
from gentle_crust.core.oven.equipment import Oven, Vessel
from tests.plans import Wish, codes, course, kitchen, make_plan, said

NOW = datetime(2026, 11, 28, 6, 30, tzinfo=UTC)
KITCHEN = kitchen("Europe/Lisbon", Room(23, 19, 4.5), Nights(22, 5.75), Oven("electric", 250))
VESSELS = {
    "stone": Vessel("stone", "stone", "Stone"),
    "pot": Vessel("pot", "lidded_cast_iron", "Pot", 2),
    "tin": Vessel("tin", "tin", "Tin", 2),
    "tray": Vessel("tray", "tray", "Tray"),
}
MINUTE = timedelta(minutes=1)


def yeasted(percent: float, shape: str, vessel: str, dough_c: float = 25, proof: str = "room", **changes):
    weight = 90 if shape == "roll" else 350 if shape == "baguette" else 800
    formula = Formula("Yeasted", (FlourShare("strong_white", 100),), 66, 2, shape, yeast_percent=percent)
    ready = datetime(2026, 11, 28, 17, tzinfo=UTC)
    return Wish(formula, 2, weight, ready, proof, VESSELS[vessel], dough_c, **changes)


@pytest.mark.parametrize(
    ("shape", "vessel"),
    [("boule", "stone"), ("batard", "pot"), ("baguette", "stone"), ("pan_loaf", "tin"), ("roll", "tray"),
     ("slipper", "tray")],
)  # fmt: skip
@pytest.mark.parametrize("percent", [0.3, 1.0, 2.0])
@pytest.mark.parametrize("dough_c", [22, 25, 27.5])
def test_every_yeasted_loaf_has_a_proof_inside_its_target(shape, vessel, percent, dough_c):
    plan = make_plan(yeasted(percent, shape, vessel, dough_c), KITCHEN, NOW)
    assert plan.proof.target_low <= plan.proof.share <= plan.proof.target_high
    proof_min = (plan.times.load - plan.times.proof_start) / MINUTE
    mixing = next(step.minutes for step in plan.steps if step.kind == "mix")
    bulk_min = (plan.times.bulk_end - plan.times.mix) / MINUTE - mixing
    assert proof_min >= min(60 * usual_proof_h(bulk_min / 60) - 3, 0.5 * bulk_min)
    assert plan.proof.bulk_rise >= 0.29
    assert not {problem.code for problem in plan.problems} & {"over_proofed", "under_proofed", "no_rise"}


def test_a_boule_with_one_percent_has_half_an_hour_to_an_hour():
    plan = make_plan(yeasted(1.0, "boule", "stone"), KITCHEN, NOW)
    assert 30 <= (plan.times.load - plan.times.proof_start) / MINUTE <= 70
    assert 0.4 <= plan.proof.bulk_rise <= 1.05


def test_a_tin_loaf_still_doubles_first_and_a_poolish_keeps_its_gentle_shaping():
    tin = make_plan(yeasted(1.0, "pan_loaf", "tin"), KITCHEN, NOW)
    assert tin.proof.bulk_rise == pytest.approx(1.0, abs=0.05)
    sticks = replace(
        yeasted(0.3, "baguette", "stone").formula, preferments=(Preferment("poolish", "strong_white", 30, 100, 0.1),)
    )
    plan = make_plan(replace(yeasted(0.3, "baguette", "stone"), formula=sticks), KITCHEN, NOW)
    assert plan.proof.target_low <= plan.proof.share <= plan.proof.target_high


def test_a_cold_proof_that_goes_too_far_is_offered_less_yeast():
    wish = replace(yeasted(1.0, "boule", "pot", proof="cold"), ready=datetime(2026, 11, 29, 19, tzinfo=UTC))
    made = course(wish, KITCHEN, NOW)
    assert "over_proofed" in {problem.code for problem in made.problems}
    found = [mend for mend in alternatives(made, 4) if mend.leaven]
    assert found and said(found[0].text).startswith("Less yeast")
    percent = dict(found[0].leaven)["yeast_percent"]
    assert percent < 1.0
    less = replace(wish, formula=replace(wish.formula, yeast_percent=percent))
    assert not codes(make_plan(less, KITCHEN, NOW))
