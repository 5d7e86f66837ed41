"""Ripe levain for a time: every way that is offered is ripe then, and what is said to be impossible is."""

import os
from dataclasses import replace
from datetime import UTC, datetime

import numpy as np
import pytest

from gentle_crust.core.clock import Clock, Nights, Room, zone_of
from gentle_crust.core.culture.culture import Culture, jar_makeup_of
from gentle_crust.core.culture.events import Event
from gentle_crust.core.culture.feeding import FIT, LATE_SEED_H, LEAST_SEED_G, FeedWish, carry_feeds, feed_for
from gentle_crust.core.culture.jar import Jar
from gentle_crust.core.culture.life import Seed, live
from gentle_crust.core.errors import CraftError
from gentle_crust.core.leaven.build import build, ripe_hours, spent_hours
from gentle_crust.core.leaven.hunger import HUNGRY_H, recovered
from gentle_crust.text.render import say

NOW = datetime(2026, 11, 28, 6, 30, tzinfo=UTC)
GLASS = Jar(300, 90, 200)
WHITE = Culture("Gull", "strong_white", 100, GLASS)
RATIOS = tuple(float(ratio) for ratio in range(1, 13))
HOME = Clock(NOW, zone_of("Europe/Lisbon"), Nights(22, 5.75), Room(23, 19, 4.5))


def fed(hours, seed=20.0, ratio=3.0):
    return Event(f"fed{hours}", -hours, "fed", seed, seed * ratio, seed * ratio)


def any_wish(chance):
    """A kitchen, a culture in it and a wish, all by chance."""
    night = float(chance.uniform(15, 22))
    start, length = float(chance.uniform(20.5, 24)) % 24, float(chance.uniform(5.5, 9))
    room = Room(night + float(chance.uniform(0, 5)), night, 4.5)
    clock = Clock(NOW, zone_of("Europe/Lisbon"), Nights(start, (start + length) % 24), room)
    if chance.random() < 0.3:
        days = float(chance.uniform(1, 35))
        events = (fed(24 * days + 3), Event("cold", -24 * days, "moved", place="fridge"))
    else:
        events = (fed(float(chance.uniform(4, 40)), ratio=float(chance.uniform(1, 6))),)
    wish = FeedWish(float(chance.uniform(40, 500)), float(chance.uniform(0, 60)), float(chance.uniform(2, 44)))
    return clock, events, wish


def forward(clock, events, way, wish):
    """The culture lived through the way's feeds, by the culture's own life."""
    given = tuple(
        Event(f"way{n}", feed.at_h, "fed", feed.build.seed_g, feed.build.flour_g, feed.build.water_g)
        for n, feed in enumerate(way.feeds)
    )
    return live(WHITE, (*events, *given), clock, max(wish.at_h, given[-1].at_h + 0.1))


def brute(clock, events, wish):
    """Whether any feed, or any two or three in a row, on the half hours that nobody sleeps through would do."""
    life = live(WHITE, events, clock)
    jar = jar_makeup_of(WHITE)
    starts = [at for at in np.arange(0, wish.at_h - 1.5, 0.5) if clock.asleep_min(at, at + 1 / 12) < 0.5]

    def window(start, seed):
        activity = np.full(len(RATIOS), life.vigour.likely * seed.strength)
        trace = carry_feeds(jar, seed, RATIOS, start, 22.0, wish.needed_g, clock, None, 24.0, activity)
        return start + ripe_hours(trace), start + spent_hours(trace)

    def enough(ratio):
        seed = build(wish.needed_g, wish.kept_g, ratio, 1.0).seed_g
        return LEAST_SEED_G <= seed <= life.grams

    now = life.forecast.seed_at(0)
    first = {at: window(at, life.forecast.seed_at(at)) for at in starts if life.forecast.seed_at(at).yeast > 0.6}
    for at, (ripe, spent) in first.items():
        fit = life.forecast.hunger_at(at) <= HUNGRY_H and life.forecast.seed_at(at).strength >= FIT
        for column, ratio in enumerate(RATIOS):
            if fit and enough(ratio) and ripe[column] <= wish.at_h <= spent[column]:
                return True
    strengths = [recovered(now.strength), recovered(recovered(now.strength))]
    later = {at: window(at, Seed(1.0, 1.0, strengths[0])) for at in starts}
    ends = {at for at, (ripe, spent) in later.items() if ((ripe <= wish.at_h) & (wish.at_h <= spent)).any()}
    for feeds in (2, 3):
        if strengths[feeds - 2] < FIT:
            continue
        goals = ends
        if feeds == 3:
            goals = {at for at, (ripe, spent) in later.items() if reaches(ripe, spent, ends)}
        for at, (ripe, spent) in first.items():
            if reaches(ripe, spent, goals) and lived_through(life, clock, wish, jar, starts, at, feeds):
                return True
    return False


def lived_through(life, clock, wish, jar, starts, at, feeds):
    """Whether a chain that begins at ``at`` does it with the seed that each feed truly leaves, not an ideal one."""
    now = life.forecast.seed_at(at)

    def on(start, seed, left):
        activity = np.full(len(RATIOS), life.vigour.likely * seed.strength)
        trace = carry_feeds(jar, seed, RATIOS, start, 22.0, wish.needed_g, clock, None, 24.0, activity)
        ripe, spent = start + ripe_hours(trace), start + spent_hours(trace)
        if left == 1:
            return bool(((ripe <= wish.at_h) & (wish.at_h <= spent)).any())
        for column in range(len(RATIOS)):
            for following in starts:
                if ripe[column] <= following <= spent[column] + LATE_SEED_H:
                    yeast = float(np.interp(following - start, trace.hours, trace.yeast[:, column]))
                    left_over = Seed(yeast, 1.0, recovered(seed.strength, yeast))
                    if on(following, left_over, left - 1):
                        return True
        return False

    return on(at, now, feeds)


def reaches(ripe, spent, goals):
    return any(((ripe <= goal) & (goal <= spent + LATE_SEED_H)).any() for goal in goals)


WISHES = 200 if os.environ.get("GENTLE_CRUST_PROVE") else 60
"""A sample here; all of them when the costly proofs are run."""


def test_wishes_are_ripe_when_wanted_or_truly_out_of_reach():
    chance = np.random.default_rng(11)
    met = 0
    for _ in range(WISHES):
        clock, events, wish = any_wish(chance)
        life = live(WHITE, events, clock)
        answer = feed_for(WHITE, life, wish, clock)
        if answer.ways:
            met += 1
            best = answer.ways[0]
            lived = forward(clock, events, best, wish)
            assert lived.ripe.likely <= wish.at_h <= lived.spent.likely, (wish, best)
            assert all(feed.build.flour_g >= feed.build.seed_g for way in answer.ways for feed in way.feeds)
            assert best.feeds[0].build.seed_g <= life.grams and best.feeds[0].at_h >= 0
            held = sum((best.feeds[-1].build.seed_g, best.feeds[-1].build.flour_g, best.feeds[-1].build.water_g))
            assert held >= wish.needed_g + wish.kept_g
        elif answer.as_it_is:
            met += 1
            assert life.ripe.likely <= wish.at_h <= life.spent.likely and life.grams >= wish.needed_g
        else:
            assert answer.why_not and not brute(clock, events, wish), wish
    assert met >= 0.6 * WISHES


def test_the_soonest_that_is_said_can_be_had():
    """Who is told that it would be ripe so much later, and asks for then, has a way: by night if hands sleep."""
    chance = np.random.default_rng(23)
    asked = 0
    for _ in range(120):
        clock, events, wish = any_wish(chance)
        life = live(WHITE, events, clock)
        answer = feed_for(WHITE, life, wish, clock)
        if answer.ways or answer.as_it_is or answer.soonest_h is None or answer.soonest_h <= wish.at_h:
            continue
        if build(wish.needed_g, wish.kept_g, RATIOS[-1], 1.0).seed_g > life.grams:
            continue
        asked += 1
        then = feed_for(WHITE, life, replace(wish, at_h=answer.soonest_h + 0.2), clock)
        assert then.ways or then.as_it_is or then.night_way, (wish, answer.soonest_h)
    assert asked >= 5


def test_a_hungry_culture_is_fed_by_amounts_that_can_be_weighed_before_a_small_levain():
    """The best-timed first feed would start from less than a gram: one that can be weighed is offered in its place."""
    clock = Clock(NOW, zone_of("Europe/Lisbon"), Nights(22.75, 5.25), Room(24.3, 20.3, 4.5))
    events = (fed(32.5, ratio=5.5),)
    answer = feed_for(WHITE, live(WHITE, events, clock), FeedWish(82.0, 44.0, 38.4), clock)
    assert answer.ways and all(feed.build.seed_g >= LEAST_SEED_G for way in answer.ways for feed in way.feeds)
    assert len(answer.ways[0].feeds) == 2 and answer.soonest_h is None


def test_a_bigger_feed_tonight_or_a_smaller_one_later_are_both_offered():
    life = live(WHITE, (fed(10),), HOME)
    ways = feed_for(WHITE, life, FeedWish(180, 30, 12), HOME).ways
    by_ratio = sorted(ways, key=lambda way: way.feeds[-1].build.ratio)
    assert len(ways) >= 4 and by_ratio[0].feeds[0].at_h > by_ratio[-1].feeds[0].at_h


def test_a_hungry_culture_is_fed_before_it_is_built_from():
    asleep = (fed(24 * 25), Event("cold", -24 * 25 + 2, "moved", place="fridge"))
    ways = feed_for(WHITE, live(WHITE, asleep, HOME), FeedWish(180, 30, 30), HOME).ways
    assert ways and all(len(way.feeds) >= 2 for way in ways)


def test_too_short_a_time_says_when_it_could_be_and_a_warm_place_hurries_it():
    life = live(WHITE, (fed(10),), HOME)
    answer = feed_for(WHITE, life, FeedWish(180, 30, 4.5), HOME)
    assert not answer.ways and "too short by" in str(say(answer.why_not)) and answer.soonest_h > 4.5
    warm = feed_for(WHITE, life, FeedWish(180, 30, 4.5, warm_c=28), HOME)
    assert warm.ways or warm.soonest_h < answer.soonest_h


def test_what_only_a_feed_at_night_could_do_is_said_to_wake_the_baker():
    sleeper = Clock(NOW, HOME.zone, Nights(7, 19), HOME.room)
    answer = feed_for(WHITE, live(WHITE, (fed(6, seed=40, ratio=1),), sleeper), FeedWish(60, 20, 15), sleeper)
    assert answer.ways or (answer.night_way is not None and "sleep" in answer.why_not)


def test_a_jar_that_is_too_small_is_said_by_how_much():
    small = Culture("Gull", "strong_white", 100, Jar(200, 70, 80))
    way = feed_for(small, live(small, (fed(10),), HOME), FeedWish(300, 30, 12), HOME).ways[0]
    assert way.over_ml > 300


@pytest.mark.parametrize(
    ("wish", "field"),
    [(FeedWish(0, 0, 8), "needed_g"), (FeedWish(100, -1, 8), "kept_g"), (FeedWish(100, 0, 900), "at"),
     (FeedWish(100, 0, 8, warm_c=50), "warm_c")],
)  # fmt: skip
def test_wishes_that_are_none_name_their_field(wish, field):
    with pytest.raises(CraftError) as refused:
        feed_for(WHITE, live(WHITE, (fed(10),), HOME), wish, HOME)
    assert refused.value.field == field


def test_who_sleeps_when_a_long_chain_must_begin_is_offered_it_from_when_hands_wake():
    """Three equal feeds, each as soon as the one before is ripe, begun when the baker is up and not at once."""
    clock = Clock(NOW, zone_of("Europe/Lisbon"), Nights(23.33, 8.04), Room(21.9, 19.6, 4.5))
    events = (fed(763.4), Event("cold", -760.4, "moved", place="fridge"))
    wish = FeedWish(440.0, 58.0, 26.95)
    answer = feed_for(WHITE, live(WHITE, events, clock), wish, clock)
    best = answer.ways[0]
    assert len(best.feeds) == 3 and best.ripe.likely <= wish.at_h <= best.spent.likely
    assert best.feeds[0].at_h >= clock.hours(datetime(2026, 11, 28, 8, tzinfo=UTC))
    assert all(clock.asleep_min(feed.at_h, feed.at_h + 1 / 12) < 0.5 for feed in best.feeds)
