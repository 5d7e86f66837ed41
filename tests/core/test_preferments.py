"""Yeast for a preferment's own night, whether it is ripe, and rye sours led in stages."""

from datetime import UTC, datetime

import pytest

from gentle_crust.core.clock import Clock, Nights, Room, zone_of
from gentle_crust.core.culture.dosing import DoseWish, dose, ripeness
from gentle_crust.core.culture.sour import SourWish, sour
from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.uncertainty import unknown
from gentle_crust.core.messages import NOTHING
from gentle_crust.text.render import say

CLOCK = Clock(datetime(2026, 11, 28, 6, 30, tzinfo=UTC), zone_of("Europe/Lisbon"), Nights(22, 5.75), Room(21, 21, 4.5))


def cooler(c):
    return Clock(CLOCK.origin, CLOCK.zone, CLOCK.nights, Room(c, c, 4.5))


@pytest.mark.parametrize("kind", ["poolish", "biga", "sponge", "old_dough"])
@pytest.mark.parametrize(("start", "ripe"), [(13, 25), (8, 26)])
def test_a_dose_is_ripe_on_time(kind, start, ripe):
    made = dose(DoseWish(kind, 400, start, ripe), CLOCK)
    assert made.ripe.likely == pytest.approx(ripe, abs=0.15)
    assert made.ripe.low < ripe < made.ripe.high and made.spent.likely > ripe
    assert made.flour_g + made.water_g + made.salt_g + made.yeast_g == pytest.approx(400, rel=0.002)


def test_a_poolish_of_a_tenth_of_a_percent_is_the_dose_for_a_night_of_thirteen_hours():
    assert 0.06 < dose(DoseWish("poolish", 400, 13, 26), CLOCK).yeast_percent < 0.16


def test_cold_nights_and_hours_in_the_fridge_ask_for_more_and_longer_ones_for_less():
    usual = dose(DoseWish("poolish", 400, 13, 25), CLOCK).yeast_percent
    assert dose(DoseWish("poolish", 400, 13, 25), cooler(17)).yeast_percent > 1.5 * usual
    assert dose(DoseWish("poolish", 400, 11, 25), CLOCK).yeast_percent < 0.8 * usual
    chilled = dose(DoseWish("poolish", 400, 13, 25, cold_from_h=15, cold_to_h=22), CLOCK)
    assert chilled.yeast_percent > 3 * usual and chilled.ripe.likely == pytest.approx(25, abs=0.2)


def test_yeast_that_no_scale_shows_comes_with_a_way_to_weigh_it():
    made = dose(DoseWish("poolish", 400, 13, 25), CLOCK)
    assert made.yeast_g < 0.5 and made.weighing and "100 g of the water" in say(made.weighing).remedy
    fresh = dose(DoseWish("poolish", 400, 13, 25, yeast_kind="fresh"), CLOCK)
    assert fresh.yeast_g == pytest.approx(made.yeast_g / 0.33, rel=0.03)
    assert dose(DoseWish("poolish", 400, 13, 25, scale_g=0.01), CLOCK).weighing == NOTHING


@pytest.mark.parametrize(
    ("wish", "field"),
    [
        (DoseWish("poolish", 400, 0, 71), "ripe"),
        (DoseWish("poolish", 400, 13, 13.5), "ripe"),
        (DoseWish("poolish", 4, 13, 25), "needed_g"),
        (DoseWish("poolish", 400, 13, 25, hydration_percent=300), "hydration_percent"),
        (DoseWish("poolish", 400, 13, 25, cold_from_h=12, cold_to_h=20), "cold_from"),
        (DoseWish("poolish", 400, 13, 25, cold_from_h=14), "cold_to"),
        (DoseWish("trifle", 400, 13, 25), "kind"),
    ],
)
def test_what_no_yeast_can_do_is_said(wish, field):
    with pytest.raises(CraftError) as refused:
        dose(wish, CLOCK)
    assert refused.value.field == field


def test_a_cold_kitchen_has_no_quick_poolish():
    with pytest.raises(CraftError) as refused:
        dose(DoseWish("poolish", 400, 13, 14.5, mix_c=8), cooler(6))
    assert "not ripe by then" in say(refused.value.what).sentence


@pytest.mark.parametrize(
    ("hours", "surface", "verdict"),
    [(-5, "domed", "early"), (0.5, "dimpled", "ripe"), (6, "collapsed", "past"), (-1, "collapsed", "past")],
)
def test_a_preferment_is_judged_by_its_clock_and_its_dome(hours, surface, verdict):
    made = dose(DoseWish("poolish", 400, 13, 25), CLOCK)
    found = ripeness(made.ripe, made.spent, 25 + hours, {"surface": surface})
    assert found.verdict == verdict and found.why
    assert found.early + found.ripe + found.past == pytest.approx(1)


@pytest.mark.parametrize(("stages", "names"), [("two", 2), ("three", 3)])
@pytest.mark.parametrize("at", [26.0, 33.0, 49.5])
def test_a_rye_sour_is_led_back_through_the_night(stages, names, at):
    made = sour(SourWish(800, at, stages), CLOCK, unknown())
    assert len(made.stages) == names
    last = made.stages[-1]
    assert last.seed_g + last.flour_g + last.water_g >= 800 and last.at_h + last.hours == pytest.approx(at)
    for before, after in zip(made.stages, made.stages[1:], strict=False):
        assert after.at_h == pytest.approx(before.at_h + before.hours)
        assert after.seed_g == pytest.approx(before.seed_g + before.flour_g + before.water_g, rel=0.01)
    if made.in_time:
        assert not any(stage.asleep for stage in made.stages)


def test_a_sour_that_comes_too_late_says_so_and_nonsense_is_refused():
    assert not sour(SourWish(800, 6, "three"), CLOCK, unknown()).in_time
    for wish, field in ((SourWish(10, 30), "needed_g"), (SourWish(800, 30, "nine"), "stages")):
        with pytest.raises(CraftError) as refused:
            sour(wish, CLOCK, unknown())
        assert refused.value.field == field
