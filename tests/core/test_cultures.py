"""A culture's life: ripe windows that readings narrow, hunger, verdicts, feeds by the clock, care and beginnings."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta
from itertools import pairwise

import numpy as np
import pytest

from gentle_crust.core.clock import Clock, Nights, Room, zone_of
from gentle_crust.core.culture.away import away
from gentle_crust.core.culture.beginning import guide
from gentle_crust.core.culture.culture import Culture, check_culture
from gentle_crust.core.culture.discard import discard, thrown_g
from gentle_crust.core.culture.events import Event, FlourPart, check_flours, checked, in_order
from gentle_crust.core.culture.jar import Jar, check_height, culture_g, level_mm, over_the_rim_ml
from gentle_crust.core.culture.life import courses_of, live
from gentle_crust.core.culture.plain_feed import plain_feed
from gentle_crust.core.culture.schedule import FeedTime, Schedule, check_schedule, next_feeds
from gentle_crust.core.culture.shared import Demand, share_builds
from gentle_crust.core.culture.verdict import health
from gentle_crust.core.errors import CraftError
from gentle_crust.core.leaven.hunger import feeds_to_wake, recovered, weakened
from gentle_crust.text.render import say

NOW = datetime(2026, 11, 28, 6, 30, tzinfo=UTC)
LISBON = zone_of("Europe/Lisbon")
HOME = Clock(NOW, LISBON, Nights(22, 5.75), Room(22, 22, 4.5))
WHITE = Culture("Gull", "strong_white", 100, Jar(300, 80, 150))
FED = Event("fed", -4, "fed", 40, 80, 80, culture_c=22)


def seen(at_h, **more):
    return Event(f"seen{at_h}", at_h, "seen", **more)


def heights(life, faster=1.0):
    """What a glass would show at three times of a culture that is so much faster than likely."""
    hours = [point.at_h for point in life.points]
    rises = [point.rise for point in life.points]
    return tuple(
        seen(at, height_mm=life.start_mm * (1 + float(np.interp(-4 + (at + 4) * faster, hours, rises))))
        for at in (-1.5, -0.75, 0.0)
    )


def width(span):
    return span.high - span.low


def test_three_heights_narrow_the_ripe_window_of_a_feed_at_22_degrees():
    before = live(WHITE, (FED,), HOME)
    after = live(WHITE, (FED, *heights(before)), HOME)
    assert width(before.ripe) > 4 and width(after.ripe) < 1
    assert before.ripe.low < after.ripe.likely < before.ripe.high
    fast = live(WHITE, (FED, *heights(before, faster=1.25)), HOME)
    assert fast.vigour.likely > 1.15 and fast.ripe.likely < before.ripe.likely - 0.5


def test_what_was_learnt_of_one_feed_is_known_at_the_next():
    slow = heights(live(WHITE, (FED,), HOME), faster=0.8)
    later = replace(HOME, origin=NOW + timedelta(hours=12))
    events = tuple(replace(event, at_h=event.at_h - 12) for event in (FED, *slow))
    again = live(WHITE, (*events, replace(FED, id="again", at_h=-0.1)), later)
    assert again.vigour.likely < 0.9 and again.readings == 3


def test_an_event_entered_late_counts_as_if_it_had_been_there():
    early, late = seen(-2, height_mm=45), seen(-1, height_mm=60)
    assert live(WHITE, (FED, early, late), HOME) == live(WHITE, (late, FED, early), HOME)
    moved = Event("m", -3, "moved", place="fridge")
    assert live(WHITE, (FED, moved), HOME).ripe.likely > live(WHITE, (FED,), HOME).ripe.likely + 12


def test_a_measured_temperature_moves_the_forecast_but_not_the_vigour():
    plain, warm = live(WHITE, (FED,), HOME), live(WHITE, (FED, seen(-1, culture_c=26)), HOME)
    assert warm.ripe.likely < plain.ripe.likely - 0.4 and warm.vigour == plain.vigour


@pytest.mark.parametrize(
    ("days", "hungry", "feeds"), [(3, False, (0, 0)), (8, False, (0, 0)), (20, True, (1, 2)), (60, True, (2, 3))]
)
def test_days_in_the_fridge_make_hungry(days, hungry, feeds):
    life = live(WHITE, (replace(FED, at_h=-24 * days - 3), Event("m", -24 * days, "moved", place="fridge")), HOME)
    found = health(life, (seen(-0.5, liquid="some" if hungry else "none"),))
    assert (found.code == "hungry") == hungry and feeds[0] <= life.wake_feeds <= feeds[1]


def test_a_day_on_the_counter_is_well_and_three_are_not():
    one, three = (live(WHITE, (replace(FED, at_h=-hours),), HOME) for hours in (22, 72))
    assert one.wake_feeds == 0 and three.wake_feeds >= 1 and three.seed.strength < 0.7


@pytest.mark.parametrize("place", ["counter", "fridge"])
def test_a_culture_forgotten_for_a_year_is_hungry_and_still_reckoned(place):
    life = live(WHITE, (replace(FED, at_h=-24 * 365), Event("m", -24 * 364, "moved", place=place)), HOME)
    assert life.wake_feeds >= 2 and life.seed.strength == pytest.approx(0.15) and life.seed.yeast > 0.9
    assert all(np.isfinite([point.rise, point.low, point.high]).all() for point in life.points)


def test_feeds_bring_a_weak_culture_back():
    weak = weakened(1.0, 80)
    assert weak < 0.4 and 2 <= feeds_to_wake(weak) <= 3
    for _ in range(feeds_to_wake(weak)):
        weak = recovered(weak)
    assert feeds_to_wake(weak) == 0


SIX = replace(FED, at_h=-6.8)
"""Fed long enough ago to be ripe at 22 C."""


@pytest.mark.parametrize(
    ("fed", "cues", "code"),
    [
        (SIX, {"surface": "domed", "floated": "floats", "smell": "mild"}, "thriving"),
        (SIX, {"surface": "sunken", "floated": "sinks", "smell": "vinegar"}, "past_peak"),
        (replace(FED, at_h=-11), {"surface": "flat", "smell": "vinegar"}, "past_peak"),
        (replace(FED, at_h=-60), {"liquid": "some", "smell": "solvent"}, "hungry"),
        (SIX, {"growth": "fuzzy"}, "contaminated"),
        (SIX, {"growth": "pink_or_orange", "surface": "domed"}, "contaminated"),
    ],
)
def test_verdicts_with_their_reasons(fed, cues, code):
    found = health(live(WHITE, (fed,), HOME), (seen(-0.1, **cues),))
    assert found.code == code and found.why and found.do
    assert ("mould" in [each.code for each in found.cautions]) == (code == "contaminated")


def test_slow_heights_are_called_sluggish():
    events = (FED, *heights(live(WHITE, (FED,), HOME), faster=0.6))
    assert health(live(WHITE, events, HOME), events[1:]).code == "sluggish"


def test_the_livelier_of_two_cultures_is_ripe_first_after_the_same_feed():
    plain = live(WHITE, (FED,), HOME)
    fast, slow = (live(WHITE, (FED, *heights(plain, factor)), HOME) for factor in (1.2, 0.8))
    assert plain_feed(WHITE, fast, HOME).ripe.likely < plain_feed(WHITE, slow, HOME).ripe.likely - 1


def test_the_jar_tells_mass_and_height():
    assert culture_g(WHITE.jar, 480) == 180
    assert level_mm(WHITE.jar, 180) == pytest.approx(1000 * 180 / 1.16 / (np.pi * 40**2))
    by_volume = Jar(300, height_mm=150, volume_ml=np.pi * 40**2 * 150 / 1000)
    assert by_volume.width_mm == pytest.approx(80)
    assert over_the_rim_ml(WHITE.jar, 180, 1.5) == 0 and over_the_rim_ml(WHITE.jar, 500, 1.7) > 100


@pytest.mark.parametrize(
    ("what", "field"),
    [
        (lambda: culture_g(WHITE.jar, 250), "gross_g"),
        (lambda: check_height(WHITE.jar, 170), "height_mm"),
        (lambda: checked(Event("e", 0, "fed", 50, 0, 20), WHITE.jar), "flour_g"),
        (lambda: culture_g(Jar(None, 90), 250), "gross_g"),
        (lambda: check_flours("rye", (FlourPart("sand", 50),)), "also_flours.1.kind"),
        (lambda: check_flours("rye", (FlourPart("rye", 50),)), "also_flours.1.kind"),
        (lambda: check_flours("rye", (FlourPart("strong_white", 99),)), "also_flours.1.percent"),
        (lambda: check_flours("rye", (FlourPart("strong_white", 50), FlourPart("spelt", 50))), "also_flours"),
        (lambda: check_schedule(Schedule(7, ())), "schedule.times"),
        (lambda: check_schedule(Schedule(7, (FeedTime(8, 1), FeedTime(8, 1)))), "schedule.times.2"),
        (lambda: check_schedule(Schedule(7, (FeedTime(8, 1), FeedTime(8)))), "schedule.times"),
        (lambda: check_schedule(Schedule(14, (FeedTime(8, 1), FeedTime(8, 4)))), "schedule.every_days"),
        (lambda: check_schedule(Schedule(2, (FeedTime(8), FeedTime(20)))), "schedule.every_days"),
        (lambda: check_schedule(Schedule(7, (FeedTime(8, 9),))), "schedule.times.1.weekday"),
        (lambda: checked(Event("e", 0, "fed", 0, 20, 20), WHITE.jar), "seed_g"),
        (lambda: checked(Event("e", 0, "fed", 20, 20, 0), WHITE.jar), "water_g"),
        (lambda: checked(Event("e", 0, "seen"), WHITE.jar), "seen"),
        (lambda: checked(Event("e", 0, "moved"), WHITE.jar), "place"),
        (lambda: checked(Event("e", 0, "seen", culture_c=80), WHITE.jar), "culture_c"),
        (lambda: checked(Event("e", 0, "seen", smell="roses"), WHITE.jar), "smell"),
        (lambda: checked(Event("e", 0, "sung"), WHITE.jar), "kind"),
        (lambda: check_culture(replace(WHITE, jar=Jar(300))), "jar.diameter_mm"),
        (lambda: check_culture(replace(WHITE, name=" ")), "name"),
        (lambda: check_culture(replace(WHITE, hydration_percent=20)), "hydration_percent"),
        (lambda: check_schedule(Schedule(3, (FeedTime(8, 2),))), "schedule.every_days"),
        (lambda: check_schedule(Schedule(0, (FeedTime(8),))), "schedule.every_days"),
    ],
)
def test_what_cannot_be_is_refused_by_its_field(what, field):
    with pytest.raises(CraftError) as refused:
        what()
    assert refused.value.field == field and say(refused.value.what).sentence and say(refused.value.what).remedy


def local(feeds, zone=LISBON):
    return [f"{at.astimezone(zone):%a %d %H:%M}" for at in feeds]


@pytest.mark.parametrize(
    ("schedule", "fed_ago_h", "first"),
    [
        (Schedule(1, (FeedTime(20.0),)), 10.5, ["Sat 28 20:00", "Sun 29 20:00"]),
        (Schedule(1, (FeedTime(20.0),)), 20, ["Fri 27 20:00", "Sat 28 20:00"]),
        (Schedule(1, (FeedTime(6.0),)), 26, ["Sat 28 06:00", "Sun 29 06:00"]),
        (Schedule(7, (FeedTime(19.0, 3),)), 24 * 9, ["Thu 26 19:00", "Thu 03 19:00"]),
        (Schedule(7, (FeedTime(19.0, 3),)), 37, ["Thu 03 19:00", "Thu 10 19:00"]),
        (Schedule(3, (FeedTime(8.0),)), 24 * 4 - 1, ["Fri 27 08:00", "Mon 30 08:00"]),
    ],
)
def test_standing_feeds_follow_from_the_last_one(schedule, fed_ago_h, first):
    fed = NOW - timedelta(hours=fed_ago_h)
    assert local(next_feeds(schedule, fed, NOW, LISBON, NOW + timedelta(days=16)))[:2] == first


def test_a_feed_at_eight_stays_at_eight_when_the_clocks_change():
    now = datetime(2026, 10, 23, 12, tzinfo=UTC)
    feeds = next_feeds(Schedule(1, (FeedTime(20.0),)), now - timedelta(hours=16), now, LISBON, now + timedelta(days=4))
    assert local(feeds) == ["Fri 23 20:00", "Sat 24 20:00", "Sun 25 20:00", "Mon 26 20:00"]
    assert (feeds[2] - feeds[1]) == timedelta(hours=25)


def test_missed_feeds_are_one():
    feeds = next_feeds(Schedule(1, (FeedTime(20.0),)), NOW - timedelta(days=6), NOW, LISBON, NOW + timedelta(days=2))
    assert [at < NOW for at in feeds] == [True, False, False]


def test_before_ten_days_away_it_is_fed_twice_and_woken_after_by_the_clock_and_never_at_night():
    clock = replace(HOME, room=Room(23, 19, 4.5))
    found = away(WHITE, (FED,), 50, 50 + 240, clock)
    kinds = [step.kind for step in found.steps]
    assert kinds[:3] == ["feed", "feed", "chill"] and kinds.count("wake") == found.feeds
    assert all(clock.asleep_min(step.at_h, step.at_h + 0.1) < 0.5 for step in found.steps if step.kind != "chill")
    assert found.ready_h > 50 + 240
    longer = away(WHITE, (FED,), 50, 50 + 24 * 60, clock)
    assert longer.hunger_h > found.hunger_h and "backup" in [step.kind for step in longer.steps]
    with pytest.raises(CraftError):
        away(WHITE, (FED,), -5, 50, clock)


def begun(*later, days=3.1):
    """A culture begun so many days ago; ``later`` are (hours after, rise or None for a feed)."""
    start = -24 * days
    events = [Event("begun", start, "begun", 0, 50, 50)]
    for number, (hours, rise) in enumerate(later):
        if rise is None:
            events.append(Event(f"f{number}", start + hours, "fed", 50, 50, 50))
        else:
            mark = level_mm(WHITE.jar, events[-1].fed_g if events[-1].feeds else 150)
            events.append(seen(start + hours, height_mm=mark * (1 + rise)))
    return events


@pytest.mark.parametrize(
    ("events", "stage"),
    [
        (begun(days=0.5), "waiting"),
        (begun((36, 0.9), days=2.2), "early_burst"),
        (begun((36, 0.9), (50, None), (60, 0.05), days=3.4), "quiet"),
        (begun((50, None), (74, None), (84, 0.5), days=4), "waking"),
        (begun((50, None), (74, None), (80, 1.05), days=4), "nearly"),
    ],
)
def test_the_first_rise_is_not_yeast_and_the_guide_follows_what_is_seen(events, stage):
    found = guide(WHITE, courses_of(in_order(tuple(events)), 0), HOME)
    assert found.stage == stage and found.means and found.do and found.cautions
    assert found.next_h >= 0


def test_two_doublings_in_a_row_make_it_a_culture():
    events = begun((74, None), (81, 1.0), (86, None), (92, 1.1), days=4.2)
    assert guide(WHITE, courses_of(in_order(tuple(events)), 0), HOME) is None
    slow = begun((74, None), (88, 1.0), (89, None), (103, 1.1), days=4.5)
    assert guide(WHITE, courses_of(in_order(tuple(slow)), 0), HOME) is not None


def test_discard_is_what_went_neither_back_nor_into_a_dough():
    feeds = [Event(f"f{day}", -24.0 * day, "fed", 20, 60, 60) for day in (3, 2, 1)]
    taken = Event("t", -30, "taken", g=100)
    assert thrown_g(in_order((*feeds, taken)), -168) == pytest.approx(120 + 20)
    daily = replace(WHITE, schedule=Schedule(1, (FeedTime(20),)))
    found = discard(daily, in_order(tuple(feeds)))
    assert found.now.discard_g == 7 * 120 and found.less
    assert all(way.discard_g < found.now.discard_g for way in found.less)


def demand(plan, hours, grams=200.0, flour="Strong white", water=100.0):
    wanted = NOW + timedelta(hours=hours)
    return Demand(plan, plan, "gull", flour, water, grams, NOW + timedelta(hours=1), grams / 5, wanted,
                  NOW + timedelta(hours=7), NOW + timedelta(hours=10))  # fmt: skip


def test_plans_that_want_the_same_levain_at_about_one_time_share_a_build():
    found = share_builds((demand("a", 7), demand("b", 8.5, 100), demand("c", 16), demand("d", 7.2, flour="Fine rye")))
    assert [[each.name for each in build.into] for build in found] == [["a", "b"], ["d"], ["c"]]
    first = found[0]
    assert first.needed_g == 300 and first.seed_g + first.flour_g + first.water_g == pytest.approx(300)


def test_a_height_that_was_read_moves_the_jar_the_peak_and_the_words_at_once():
    """The forecast has it past its peak; it was read doubled twelve minutes ago, and floats."""
    fed = Event("fed", -12, "fed", 40, 80, 80, culture_c=22)
    before = live(WHITE, (fed,), HOME)
    high = round(before.start_mm * 2.35)
    look = seen(-0.2, height_mm=high, floated="floats", surface="domed")
    after = live(WHITE, (fed, look), HOME)
    drawn = float(np.interp(0, [each.at_h for each in after.points], [each.rise for each in after.points]))
    assert drawn == pytest.approx(high / before.start_mm - 1, abs=0.08), "drawn as high as it was seen"
    assert after.peak_rise >= drawn - 0.05
    verdict = health(after, (look,))
    assert verdict.code in ("thriving", "sluggish") and verdict.phases.past < 0.3
    low = seen(-0.2, height_mm=round(before.start_mm * 1.2), surface="sunken")
    fallen = live(WHITE, (fed, seen(-4, height_mm=high), low), HOME)
    assert health(fallen, (low,)).code in ("past_peak", "hungry")
    assert all(each.low <= each.rise + 1e-6 <= each.high + 2e-6 for each in fallen.points)


def test_what_was_seen_of_its_top_before_it_sank_is_not_told_of_it_any_more():
    """Domed and floating on the way up, mild of smell; two hours later it stands lower: only the smell still counts."""
    fed = Event("fed", -9.5, "fed", 20, 80, 80, culture_c=22)
    start = live(WHITE, (fed,), HOME).start_mm
    up = seen(-2, height_mm=start * 2.4, surface="domed", floated="floats", smell="mild")
    down = seen(0, height_mm=start * 1.9)
    verdict = health(live(WHITE, (fed, up, down), HOME), (up, down))
    told = {reason.says.code for reason in verdict.why}
    assert verdict.code == "past_peak" and {"health-fallen", "cue-jar-smell-mild"} <= told
    assert not told & {"cue-jar-surface-domed", "cue-jar-floated-floats"}
    standing = seen(0, height_mm=start * 2.4)
    told = {reason.says.code for reason in health(live(WHITE, (fed, up, standing), HOME), (up, standing)).why}
    assert {"cue-jar-surface-domed", "cue-jar-floated-floats"} <= told and "health-fallen" not in told


@pytest.mark.parametrize("seed", range(3))
def test_what_is_drawn_and_what_was_read_never_contradict_each_other(seed):
    """A hundred lives by chance a seed: the drawing goes through the last height, whatever was foretold."""
    dice = np.random.default_rng([7, seed])
    for _ in range(100):
        fed = Event("fed", -float(dice.uniform(1, 20)), "fed", 30, 30 * dice.uniform(1, 5), 100, culture_c=24)
        start = live(WHITE, (fed,), HOME).start_mm
        at = fed.at_h + float(dice.uniform(0.3, 1)) * -fed.at_h
        look = seen(at, height_mm=start * dice.uniform(1, 2.9))
        life = live(WHITE, (fed, look), HOME)
        drawn = float(np.interp(at, [each.at_h for each in life.points], [each.rise for each in life.points]))
        assert drawn == pytest.approx(look.height_mm / start - 1, abs=0.12)
        assert life.peak_rise >= look.height_mm / start - 1 - 0.12
        parts = life.phases
        assert parts.rising + parts.ripe + parts.past + parts.hungry == pytest.approx(1)


def test_the_drawing_goes_through_every_height_and_what_has_fallen_does_not_rise_again():
    """Read four times on its way up and down: sunken at the last, while the forecast still has it ripe."""
    fed = Event("fed", -9.5, "fed", 20, 80, 80, culture_c=22)
    start = live(WHITE, (fed,), HOME).start_mm
    rises = {-3.0: 1.1, -1.2: 1.5, -0.4: 1.75, -0.05: 1.1}
    looks = tuple(seen(at, height_mm=start * (1 + rise)) for at, rise in rises.items())
    fallen = (*looks[:-1], replace(looks[-1], surface="sunken"))
    life = live(WHITE, (fed, *fallen), HOME)
    hours, drawn = ([getattr(each, what) for each in life.points] for what in ("at_h", "rise"))
    for at, rise in list(rises.items())[:-1]:
        assert float(np.interp(at, hours, drawn)) == pytest.approx(rise, abs=0.09)
    after = [rise for at, rise in zip(hours, drawn, strict=True) if at > 0]
    assert max(after) <= 1.1 + 1e-6 and all(one >= other - 1e-6 for one, other in pairwise(after))
    verdict = health(life, fallen)
    assert verdict.code == "past_peak" and life.spent.likely <= 0
    assert (
        say(verdict.why[0].says).sentence
        == f"it has sunk on the glass, from {start * 2.75:.0f} to {start * 2.1:.0f} mm"
    )
    rising = live(WHITE, (fed, *looks[:-1]), HOME)
    assert health(rising, looks[:-1]).code in ("thriving", "sluggish")
