"""Yeasted doughs: bulk leaves a proof to come; one that goes too far says sooner or less yeast before the fridge."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta

import pytest

from gentle_crust.core.clock import Nights, Room
from gentle_crust.core.course.targets import usual_proof_h
from gentle_crust.core.formula.model import FlourShare, Formula, Preferment
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.scheduling.mends import mends
from gentle_crust.core.scheduling.plan import make_plan
from gentle_crust.core.scheduling.wish import Kitchen, Wish
from tests.core.test_any_kitchen import mended

NOW = datetime(2026, 11, 28, 6, 30, tzinfo=UTC)
KITCHEN = Kitchen("Europe/Lisbon", Room(23, 19, 4.5), Nights(22, 5.75), 15, Oven("electric", 250))
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
    return Wish(formula, 2, weight, ready, "out", proof, VESSELS[vessel], dough_c, "lively", "", **changes)


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
    bulk_min = (plan.times.bulk_end - plan.times.mix) / MINUTE
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


def test_a_cold_proof_that_goes_too_far_asks_for_less_yeast_before_anything_else():
    wish = yeasted(1.0, "boule", "pot", proof="cold")
    wish = replace(wish, ready=datetime(2026, 11, 29, 9, tzinfo=UTC))
    plan = make_plan(wish, KITCHEN, NOW)
    assert "over_proofed" in {problem.code for problem in plan.problems}
    found = [mend for mend in mends(wish, KITCHEN, tuple(VESSELS.values()), NOW) if mend.field != "ready"]
    assert found[0].field == "yeast_percent" and found[0].sentence.startswith("Less yeast")
    assert float(found[0].value) < 1.0
    assert not make_plan(mended(wish, found[0]), KITCHEN, NOW).problems


def test_a_school_that_goes_too_far_is_told_to_stop_sooner_first():
    wish = yeasted(0.5, "baguette", "stone", proof="cold", school="wet_far")
    wish = replace(wish, ready=datetime(2026, 11, 29, 9, tzinfo=UTC))
    assert [problem.code for problem in make_plan(wish, KITCHEN, NOW).problems] == ["over_proofed"]
    first, second, *_ = mends(wish, KITCHEN, tuple(VESSELS.values()), NOW)
    assert first.field == "school" and first.sentence.startswith("Stop bulk sooner")
    assert second.field == "yeast_percent"
    assert not make_plan(mended(wish, first), KITCHEN, NOW).problems
