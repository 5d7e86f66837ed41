"""A grill browns the top and little else; a bake that goes on from another is the bake itself."""

from dataclasses import replace

import numpy as np
import pytest

from gentle_crust.core.oven.bake import LINES, Bake, bake, begin, go_on
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.oven.hazards import hazards
from gentle_crust.core.oven.kit import InVessel, OvenHeat, OvenStage, Preheat, Steam
from gentle_crust.core.oven.loaf import Loaf
from gentle_crust.core.oven.staged import Want, draft
from gentle_crust.core.oven.steps import touches

ROLLS = Bake(
    Loaf(80, shape="roll", pieces=8), InVessel("tray", "none"), OvenHeat(), Preheat(210, 30),
    (OvenStage(10, 210, True), OvenStage(4, 210)), (Steam("hot_pan"),),
)  # fmt: skip


def with_last(question, minutes, **more):
    return replace(question, stages=(*question.stages, OvenStage(minutes, 210, **more)))


def test_a_grill_browns_the_top_within_minutes_and_neither_base_nor_core():
    plain, grilled = bake(with_last(ROLLS, 2)), bake(with_last(ROLLS, 2, grill=True))
    assert grilled.end("colour") > plain.end("colour") + 15
    assert abs(grilled.end("base_colour") - plain.end("base_colour")) < 3
    assert abs(grilled.end("core") - plain.end("core")) < 1.5
    assert abs(grilled.energy_gap_j) < 1 and abs(grilled.water_gap_kg) < 1e-9


def test_colour_only_grows_under_a_grill_and_a_few_minutes_burn():
    colours = [bake(with_last(ROLLS, minutes, grill=True)).end("colour") for minutes in (1, 2, 3, 5, 8)]
    assert colours == sorted(colours) and colours[0] < 60 and colours[-1] > 85


def test_a_grill_does_nothing_under_a_lid_and_that_is_refused():
    pot = Bake(Loaf(850), InVessel("lidded_cast_iron"), OvenHeat(), Preheat(240, 40),
               (OvenStage(20, 240, True), OvenStage(20, 225)))  # fmt: skip
    on = replace(pot, stages=(replace(pot.stages[0], grill=True), pot.stages[1]))
    assert bake(on).end("colour") == pytest.approx(bake(pot).end("colour"), abs=0.01)
    assert "grill_covered" in [each.code for each in hazards(on) if each.weight == "refused"]


def test_the_caution_stands_at_the_minute_at_which_the_grill_is_turned_on():
    asked = with_last(ROLLS, 2, grill=True)
    made = draft(ROLLS.loaf, 8, Vessel("tray", "tray", "Tray"), Oven(), Want())
    steps = touches(asked, made.done, Vessel("tray", "tray", "Tray"), Oven(), ())
    (grill,) = [each for each in steps if each.kind == "grill"]
    assert grill.minute == 14 and [each.code for each in grill.cautions] == ["grill"]
    assert "grill" in [each.code for each in hazards(asked)]
    assert "grill" not in [each.code for each in hazards(ROLLS)]


@pytest.mark.parametrize("setpoint", [180, 210, 230])
@pytest.mark.parametrize("minutes", [3, 12, 40])
def test_a_bake_that_goes_on_from_another_is_that_bake(setpoint, minutes):
    _, begun = begin(ROLLS)
    other = replace(ROLLS, stages=(ROLLS.stages[0], OvenStage(minutes, setpoint)))
    assert begun.leads_to(other)
    on, whole = go_on(other, begun), bake(other)
    for line in LINES:
        assert np.allclose(getattr(on, line), getattr(whole, line), atol=1e-9), line
    assert on.skin_set_min == whole.skin_set_min and abs(on.energy_gap_j) < 1


def test_a_bake_that_differs_before_its_last_stage_is_begun_anew():
    _, begun = begin(ROLLS)
    assert not begun.leads_to(replace(ROLLS, loaf=replace(ROLLS.loaf, dough_g=90)))
    assert not begun.leads_to(replace(ROLLS, stages=(OvenStage(9, 210, True), OvenStage(4, 210))))
    assert not begun.leads_to(replace(ROLLS, altitude_m=900))
    assert not begin(replace(ROLLS, stages=ROLLS.stages[:1]))[1].leads_to(replace(ROLLS, stages=ROLLS.stages[:1]))


def test_a_bake_with_a_goal_ends_soon_after_it_and_is_the_same_until_then():
    longer = replace(ROLLS, stages=(ROLLS.stages[0], OvenStage(60, 210)))
    whole, ended = bake(longer), begin(longer, (95.0, 40.0, 0.08))[0]
    reached = max(whole.minute_of("core", 95.0), whole.minute_of("colour", 40.0), whole.minute_of("loss", 0.08))
    assert reached < ended.minutes[-1] < reached * 1.08 + 4 < whole.minutes[-1]
    upto = len(ended.minutes) - 1
    assert np.allclose(ended.colour[:upto], whole.colour[:upto], atol=1e-9)
