"""A culture's week: feeds on several days and times, feeds planned ten days ahead, small feeds and mixed flours."""

import os
from dataclasses import replace
from datetime import UTC, datetime, timedelta

import numpy as np
import pytest

from gentle_crust.core.clock import Clock, Nights, Room, zone_of
from gentle_crust.core.culture.ahead import feed_ahead
from gentle_crust.core.culture.away import away
from gentle_crust.core.culture.culture import Culture, check_culture
from gentle_crust.core.culture.discard import discard
from gentle_crust.core.culture.events import Event, FlourPart, checked, in_order
from gentle_crust.core.culture.feeding import FeedWish
from gentle_crust.core.culture.jar import Jar
from gentle_crust.core.culture.life import courses_of, live
from gentle_crust.core.culture.schedule import FeedTime, Schedule, check_schedule, next_feeds
from gentle_crust.core.culture.standing import Standing
from gentle_crust.core.culture.verdict import health
from gentle_crust.core.errors import CraftError
from gentle_crust.core.leaven.hunger import HUNGRY_H
from gentle_crust.text.render import say

NOW = datetime(2026, 11, 28, 6, 30, tzinfo=UTC)
LISBON = zone_of("Europe/Lisbon")
HOME = Clock(NOW, LISBON, Nights(22, 5.75), Room(22, 20, 4.5))
WHITE = Culture("Gull", "strong_white", 100, Jar(300, 80, 150))
MORNING_AND_EVENING = Schedule(1, (FeedTime(8.0), FeedTime(20.0)))
MONDAY_AND_THURSDAY = Schedule(7, (FeedTime(7.0, 0), FeedTime(19.5, 3)))
LIVES = 300 if os.environ.get("GENTLE_CRUST_PROVE") else 90


def due(schedule, fed, days=8):
    found = next_feeds(schedule, fed, NOW, LISBON, NOW + timedelta(days=days))
    return [f"{at.astimezone(LISBON):%a %d %H:%M}" for at in found]


def fed(hours, seed=20.0, flour=60.0, **more):
    return Event(f"fed{hours}", -hours, "fed", seed, flour, flour, **more)


def risen(culture, event, hours):
    """How high the jar stands so long after a feed."""
    points = live(culture, (event,), replace(HOME, room=Room(24, 24, 4))).points
    return float(np.interp(hours - 1, [point.at_h for point in points], [point.rise for point in points]))


@pytest.mark.parametrize(
    ("schedule", "ago_h", "first"),
    [
        (MORNING_AND_EVENING, 10, ["Sat 28 08:00", "Sat 28 20:00", "Sun 29 08:00"]),
        (MORNING_AND_EVENING, 0.25, ["Sat 28 20:00", "Sun 29 08:00", "Sun 29 20:00"]),
        (MONDAY_AND_THURSDAY, 35, ["Mon 30 07:00", "Thu 03 19:30", "Mon 07 07:00"][:2]),
        (MONDAY_AND_THURSDAY, 5, ["Mon 30 07:00", "Thu 03 19:30"]),
        (Schedule(7, tuple(FeedTime(18.0, day) for day in (0, 1, 2, 3, 4))), 12, ["Mon 30 18:00", "Tue 01 18:00"]),
    ],
)
def test_feeds_on_several_days_and_times_come_in_turn(schedule, ago_h, first):
    check_schedule(schedule)
    assert due(schedule, NOW - timedelta(hours=ago_h))[: len(first)] == first


def test_a_feed_a_little_early_is_the_one_that_was_due_and_one_much_earlier_is_not():
    sunday = NOW + timedelta(days=1, hours=2)
    late = next_feeds(MONDAY_AND_THURSDAY, sunday, sunday, LISBON, sunday + timedelta(days=5))
    assert [f"{at:%a}" for at in late] == ["Thu"]
    friday = NOW - timedelta(hours=16)
    assert due(MONDAY_AND_THURSDAY, friday)[0] == "Mon 30 07:00"
    noon = NOW + timedelta(hours=5)
    assert next_feeds(MORNING_AND_EVENING, noon, noon, LISBON, noon + timedelta(hours=12))[0].hour == 20


def test_never_fed_it_is_due_at_the_next_time_and_two_a_day_stay_two_when_the_clocks_change():
    assert due(MORNING_AND_EVENING, None)[0] == "Sat 28 08:00"
    assert due(MONDAY_AND_THURSDAY, None)[0] == "Mon 30 07:00"
    autumn = datetime(2026, 10, 24, 12, tzinfo=UTC)
    feeds = next_feeds(MORNING_AND_EVENING, autumn, autumn, LISBON, autumn + timedelta(days=2))
    assert [f"{at.astimezone(LISBON):%H:%M}" for at in feeds] == ["20:00", "08:00", "20:00", "08:00"]
    assert feeds[1] - feeds[0] == timedelta(hours=13)


def test_what_several_feeds_throw_away_in_a_week_is_counted():
    last = fed(3)
    often, seldom = (
        discard(replace(WHITE, schedule=schedule), (last,)) for schedule in (MORNING_AND_EVENING, MONDAY_AND_THURSDAY)
    )
    assert often.now.flour_g == pytest.approx(14 * 60) and seldom.now.flour_g == pytest.approx(2 * 60)
    assert "weekly" in [each.code for each in seldom.less]


def hours_of(schedule, fed_at):
    return tuple(HOME.hours(at) for at in next_feeds(schedule, fed_at, NOW, LISBON, NOW + timedelta(days=12)))


def lived(culture, events, answer, way, wish, then_cold):
    """The culture lived through its feeds as usual and those of a way."""
    last = events[0]
    told = list(events)
    for number, at in enumerate(answer.usual_h):
        told.append(Event(f"u{number}", at, "fed", last.seed_g, last.flour_g, last.water_g))
        if then_cold:
            told.append(Event(f"c{number}", at + 1.5, "moved", place="fridge"))
    for number, feed in enumerate(way.feeds):
        made = feed.build
        told.append(Event(f"w{number}", feed.at_h, "fed", made.seed_g, made.flour_g, made.water_g))
    return live(culture, in_order(tuple(told)), HOME, max(wish.at_h, way.feeds[-1].at_h + 0.1))


@pytest.mark.parametrize("days", [2, 3, 5, 8, 10])
@pytest.mark.parametrize("schedule", [None, MORNING_AND_EVENING, Schedule(1, (FeedTime(20.0),)), MONDAY_AND_THURSDAY])
def test_a_levain_can_be_asked_for_up_to_ten_days_ahead(days, schedule):
    cold = schedule is MONDAY_AND_THURSDAY
    events = (fed(10),)
    hours = () if schedule is None else hours_of(schedule, NOW - timedelta(hours=10))
    wish = FeedWish(180, 30, 24 * days + 2)
    answer = feed_ahead(WHITE, events, wish, HOME, Standing(hours, cold))
    assert answer.ways, (days, say(answer.why_not))
    way = answer.ways[0]
    assert answer.assumed is (schedule is None and days > 2)
    assert set(answer.usual_h) <= set(hours) or answer.assumed
    assert all(at < way.feeds[0].at_h for at in answer.usual_h)
    then = lived(WHITE, events, answer, way, wish, cold and schedule is not None)
    assert then.ripe.likely <= wish.at_h + 0.5 and wish.at_h <= then.spent.likely
    assert all(HOME.asleep_min(feed.at_h, feed.at_h + 0.05) < 0.5 for feed in way.feeds)


def test_a_wish_for_tomorrow_leaves_out_the_feed_as_usual_that_stands_in_its_way():
    answer = feed_ahead(WHITE, (fed(10),), FeedWish(180, 30, 26), HOME, Standing((13.5, 37.5)))
    assert answer.usual_h == () and answer.ways


def test_beyond_ten_days_is_refused_and_what_is_said_to_be_in_the_way_is():
    with pytest.raises(CraftError) as refused:
        feed_ahead(WHITE, (fed(10),), FeedWish(180, 30, 24 * 12), HOME, Standing())
    assert refused.value.field == "at"
    awake = replace(HOME, nights=Nights(6.55, 6.4))
    asleep = feed_ahead(WHITE, (fed(10),), FeedWish(60, 10, 20), awake, Standing())
    if not asleep.ways:
        assert (asleep.night_way is not None) == ("sleep" in str(say(asleep.why_not)))
    much = feed_ahead(WHITE, (fed(10, 5, 10),), FeedWish(3000, 30, 9), HOME, Standing())
    assert not much.ways and "too little" in str(say(much.why_not))
    left = (fed(24 * 30), Event("cold", -24 * 30 + 2, "moved", place="fridge"))
    hungry = feed_ahead(WHITE, left, FeedWish(180, 30, 6), HOME, Standing())
    assert not hungry.ways and "hungry" in str(say(hungry.why_not))


def test_less_flour_than_culture_can_be_written_down_and_it_ripens_sooner_and_hungers_sooner():
    small, usual = fed(6, 80, 20), fed(6, 20, 60)
    assert checked(small, WHITE.jar) == small
    one, two = (live(WHITE, (event,), HOME) for event in (small, usual))
    assert one.ripe.likely < two.ripe.likely - 1 and one.hunger_h > two.hunger_h
    assert one.peak_rise < two.peak_rise, "there is little new food to make gas of"


def test_a_mix_of_flours_rises_between_its_flours():
    rye, white = replace(WHITE, flour_kind="whole_rye"), WHITE
    mixed = replace(WHITE, flour_kind="whole_rye", also_flours=(FlourPart("strong_white", 50),))
    check_culture(mixed)
    heights = [risen(each, fed(1, 50, 50), 5) for each in (white, mixed, rye)]
    assert heights == sorted(heights, reverse=True) and heights[0] - heights[2] > 0.1


def test_a_feed_with_another_flour_than_usual_is_lived_with_that_flour():
    usual = fed(1, 20, 80)
    other = replace(usual, flour_kind="whole_rye", also_flours=(FlourPart("strong_white", 25),))
    assert checked(other, WHITE.jar) == other
    assert risen(WHITE, usual, 6) > risen(WHITE, other, 6) + 0.05
    same = replace(usual, flour_kind="strong_white")
    assert risen(WHITE, same, 6) == pytest.approx(risen(WHITE, usual, 6), abs=1e-6)


def test_a_smell_in_words_of_ones_own_is_something_seen():
    assert checked(Event("e", -1, "seen", smell_words="green apples"), WHITE.jar).smell_words == "green apples"


def any_life(dice):
    """A culture's last days, by chance: feeds of all sizes, the fridge, heights that were read."""
    flour = str(dice.choice(["strong_white", "whole_wheat", "whole_rye", "plain_white"]))
    culture = replace(WHITE, flour_kind=flour, hydration_percent=float(dice.choice([60, 85, 100, 125])))
    room = float(dice.uniform(17, 28))
    clock = replace(HOME, room=Room(room, room - float(dice.uniform(0, 4)), float(dice.uniform(2, 7))))
    at, events = -float(dice.uniform(20, 400)), []
    while at < -0.2 and len(events) < 7:
        seed = float(dice.choice([10, 20, 50]))
        flour_g = seed * float(dice.choice([0.4, 1, 2, 5]))
        events.append(Event(f"f{len(events)}", at, "fed", seed, flour_g, flour_g * culture.hydration_percent / 100))
        if dice.random() < 0.3:
            events.append(Event(f"m{len(events)}", at + 1.5, "moved", place="fridge"))
        at += float(dice.uniform(6, 90))
    life = live(culture, in_order(tuple(event for event in events if event.at_h <= 0)), clock)
    if dice.random() < 0.5 and life.fed.at_h < -1:
        height = life.start_mm * float(dice.uniform(1.0, 2.4))
        if height < 150:
            events.append(Event("look", -0.2, "seen", height_mm=height))
    return culture, clock, in_order(tuple(event for event in events if event.at_h <= 0))


@pytest.mark.parametrize("seed", range(LIVES))
def test_the_page_the_absence_sheet_and_the_plan_say_one_thing_of_a_life(seed):
    dice = np.random.default_rng([20, seed])
    culture, clock, events = any_life(dice)
    life = live(culture, events, clock)
    course = courses_of(events, 0.0)[-1]
    found = health(life, course.looks, lives=culture.place)
    phases = life.phases
    assert phases.rising + phases.ripe + phases.past + phases.hungry == pytest.approx(1, abs=1e-6)
    if found.code == "ripe":
        assert phases.ripe + phases.past > 0.3 and life.ripe.low is not None and life.ripe.low <= 0.1
        assert life.wake_feeds == 0, "what is ripe needs no waking"
    if found.code in ("hungry", "sluggish"):
        assert life.wake_feeds > 0 or life.hunger_h > 0 or life.vigour.likely < 1
    if life.wake_feeds:
        assert life.hunger_h > HUNGRY_H or life.seed.strength < 1
    gone = live(culture, (*events, Event("cold", 0.01, "moved", place="fridge")), clock, 30)
    sheet = away(culture, events, 0.6, 30, clock)
    chill = next(step.at_h for step in sheet.steps if step.kind == "chill")
    if chill < 0.2:
        assert sheet.hunger_h == pytest.approx(gone.hunger_h, rel=0.1, abs=2)
    answer = feed_ahead(culture, events, FeedWish(life.grams / 2, life.grams / 4, 1.0), clock, Standing())
    if answer.as_it_is:
        assert life.ripe.likely <= 1.0 <= (life.spent.likely or 2) and found.code != "hungry"
    level = next(point for point in life.points if point.at_h >= 0)
    read = [look for look in course.looks if look.height_mm is not None]
    if read:
        assert life.start_mm * (1 + level.rise) == pytest.approx(max(read[-1].height_mm, life.start_mm), rel=0.06)
