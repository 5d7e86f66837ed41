"""Wall clocks, nights and changes of clocks; feeds and preferments that are ripe when wanted."""

from datetime import UTC, datetime

import numpy as np
import pytest

from gentle_crust.core.clock import Clock, Nights, Room, zone_of
from gentle_crust.core.fermentation.engine import Leg, begin, run
from gentle_crust.core.fermentation.room import room_leg
from gentle_crust.core.fermentation.uncertainty import ONE, activities
from gentle_crust.core.formula.model import FlourShare, Formula, Preferment
from gentle_crust.core.leaven.build import (
    build,
    fed,
    jar_capacity,
    jar_makeup,
    preferment_ripe_hours,
    ripe_hours,
    seed_share,
    spent_hours,
)
from gentle_crust.core.leaven.ripening import (
    CULTURE_RATIOS,
    LEVAIN_RATIOS,
    _levains_to_ripe,
    levain,
    quickest_h,
    yeasted,
)

NOON = datetime(2026, 11, 29, 12, tzinfo=UTC)
LEVAIN = Preferment("levain", "strong_white", 10, 100)
WHITE = Formula("White", (FlourShare("strong_white", 100),), 70, 2, "boule", preferments=(LEVAIN,))


def clock(zone="Europe/Lisbon", origin=NOON, nights=Nights(22, 6), room=Room(23, 19, 4)):
    return Clock(origin, zone_of(zone), nights, room)


@pytest.mark.parametrize(
    ("zone", "hour"),
    [
        ("Europe/Lisbon", 12),
        ("America/Halifax", 8),
        ("Asia/Kolkata", 17.5),
        ("Pacific/Auckland", 1),
        ("America/St_Johns", 8.5),
    ],
)
def test_local_hours_by_zone(zone, hour):
    assert clock(zone).local_hour(np.array([0.0]))[0] == pytest.approx(hour)


def test_local_hours_over_a_change_of_clocks():
    """Lisbon's clocks went back at 02:00 on 25 October 2026: one local hour happens twice."""
    here = clock(origin=datetime(2026, 10, 24, 23, tzinfo=UTC))
    assert here.local_hour(np.array([0.0, 1.0, 2.0, 3.0])) == pytest.approx([0, 1, 1, 2])


@pytest.mark.parametrize(
    ("start", "end", "minutes"),
    [(-1, 1, 0), (9.5, 10.5, 30), (10, 18, 480), (17, 20, 60), (8, 32, 480), (9, 33.5, 480), (10, 35, 540)],
)
def test_minutes_of_sleep(start, end, minutes):
    """The origin is noon; the night is from 10 to 18 hours after it, and again a day later."""
    assert clock().asleep_min(start, end) == pytest.approx(minutes)


def test_nobody_sleeps_in_a_night_of_no_length():
    assert clock(nights=Nights(22, 22)).asleep_min(0, 20) == 0


def test_instants_go_there_and_back():
    here = clock()
    assert here.hours(here.at(-7.25)) == pytest.approx(-7.25)


@pytest.mark.parametrize(
    ("needed", "kept", "ratio", "hydration"), [(200, 0, 1, 1), (90, 30, 5, 1), (500, 50, 3, 0.6), (12, 0, 2, 1.25)]
)
def test_builds_make_enough_and_lose_what_sticks(needed, kept, ratio, hydration):
    made = build(needed, kept, ratio, hydration)
    assert made.g == pytest.approx(needed + kept + max(0.03 * (needed + kept), 5))
    assert made.flour_g == pytest.approx(ratio * made.seed_g)
    assert made.water_g == pytest.approx(hydration * made.flour_g)


def test_bigger_feeds_ripen_later_and_colder_ones_too():
    jar = jar_makeup(WHITE, LEVAIN)
    ratios = (1.0, 2.0, 3.0, 5.0, 8.0)
    hours = [
        ripe_hours(
            run(jar, fed(jar, c, ratios), Leg(30, np.full(120, c), "covered_bowl", 150, jar_capacity(jar)), np.ones(5))
        )
        for c in (20.0, 24.0)
    ]
    assert np.all(np.diff(hours[0]) > 0) and np.all(hours[0] > hours[1])
    assert 3.5 < hours[1][0] < 6
    assert seed_share(1, 1) == pytest.approx(1 / 3)


def test_a_levain_stays_good_for_a_while_and_is_then_spent():
    jar = jar_makeup(WHITE, LEVAIN)
    trace = run(
        jar, fed(jar, 24, (2.0,)), Leg(24, np.full(96, 24.0), "covered_bowl", 150, jar_capacity(jar)), np.ones(1)
    )
    assert 1 < spent_hours(trace)[0] - ripe_hours(trace)[0] < 8


@pytest.mark.parametrize("kind", ["strong_white", "whole_wheat", "whole_rye"])
def test_levains_of_all_flours_ripen_within_the_working_day(kind):
    jar = jar_makeup(WHITE, Preferment("levain", kind, 10, 100))
    trace = run(
        jar, fed(jar, 25, (1.0,)), Leg(16, np.full(64, 24.0), "covered_bowl", 200, jar_capacity(jar)), np.ones(1)
    )
    assert 2 < ripe_hours(trace)[0] < 6


@pytest.mark.parametrize("wanted", [-1.0, 3.0, 7.0])
def test_a_feed_is_ripe_when_it_is_wanted(wanted):
    found = levain("levain", clock(), wanted, -30, 200, 0, WHITE, LEVAIN, LEVAIN_RATIOS, activities())
    assert found.ripe.likely == pytest.approx(wanted, abs=0.25)
    assert found.ripe.low < wanted < found.ripe.high
    assert found.build.g >= 200


def test_the_feed_is_chosen_so_that_the_baker_is_awake():
    """Wanted at seven in the morning: whatever the ratio, nobody is called from bed."""
    found = levain("levain", clock(), 19.0, 0, 200, 0, WHITE, LEVAIN, LEVAIN_RATIOS, activities())
    assert clock().asleep_min(found.start, found.start + 5 / 60) == 0
    assert found.build.ratio > 2


def test_little_time_takes_the_quickest_feed():
    found = levain("levain", clock(), 5.0, 0.2, 100, 0, WHITE, LEVAIN, LEVAIN_RATIOS, activities())
    assert found.build.ratio == 1
    assert found.start >= 0.2 - 0.5


def test_a_culture_is_kept_back():
    found = levain("feed", clock(), 4.0, -20, 60, 40, WHITE, LEVAIN, CULTURE_RATIOS, activities())
    assert found.build.g >= 100


@pytest.mark.parametrize("step", [0.5, 0.49, 0.31, 0.25])
def test_ripeness_does_not_hang_on_how_finely_a_preferment_is_stepped(step):
    jar = jar_makeup(WHITE, Preferment("poolish", "strong_white", 30, 100, 0.1))

    def ripe(each: float) -> float:
        leg = room_leg(clock(), 3.0, 22.3, "covered_bowl", 400, 3.0, each)
        return float(preferment_ripe_hours(run(jar, begin(jar, 25.0), leg, ONE))[0])

    assert ripe(step) == pytest.approx(ripe(0.02), abs=0.05)


@pytest.mark.parametrize("start", [-30.0, -21.37, -14.02, -8.61])
def test_what_one_question_finds_of_a_levain_serves_another_to_the_minute(start):
    levain_ = Preferment("levain", "strong_white", 20, 100)
    jar = jar_makeup(WHITE, levain_)
    leg = room_leg(clock(), start, 40.0, "covered_bowl", 200, jar_capacity(jar), 0.5)
    own = float(ripe_hours(run(jar, fed(jar, 25.0, (1.0,)), leg, ONE))[0])
    assert quickest_h(clock(), start, 200, WHITE, levain_) == pytest.approx(own, abs=3 / 60)
    before = _levains_to_ripe.cache_info()
    quickest_h(clock(), start + 0.01, 200, WHITE, levain_)
    after = _levains_to_ripe.cache_info()
    assert after.misses == before.misses


@pytest.mark.parametrize(
    ("kind", "hydration", "yeast"), [("poolish", 100, 0.1), ("biga", 55, 0.15), ("sponge", 65, 0.5)]
)
def test_yeasted_preferments_are_ripe_when_wanted_even_through_a_cool_night(kind, hydration, yeast):
    found = yeasted(clock(), 20.0, 400, WHITE, Preferment(kind, "strong_white", 30, hydration, yeast), activities())
    assert found.ripe.likely == pytest.approx(20.0, abs=0.4)
    assert found.build.flour_g * (1 + hydration / 100 + yeast / 100) == pytest.approx(400)


def test_more_yeast_ripens_sooner():
    starts = [
        yeasted(clock(), 20.0, 400, WHITE, Preferment("poolish", "strong_white", 30, 100, dose), activities()).start
        for dose in (0.05, 0.1, 0.2, 0.4)
    ]
    assert starts == sorted(starts)
