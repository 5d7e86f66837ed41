"""Cultures kept: nothing is lost, nothing is kept twice, plans build from them, and files go out and come back."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta

import pytest
from icalendar import Calendar

from gentle_crust import demo
from gentle_crust.contract.asked import Asked
from gentle_crust.core.culture.culture import Culture
from gentle_crust.core.culture.events import Event
from gentle_crust.core.culture.jar import Jar
from gentle_crust.core.errors import CraftError
from gentle_crust.interchange import culture_files
from gentle_crust.interchange.calendar_file import calendar_file
from gentle_crust.kitchen.ahead import Ahead
from gentle_crust.kitchen.cultures import CultureBook
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.work import Work
from gentle_crust.store.database import open_store
from gentle_crust.text.render import PLAIN, say
from tests.conftest import SATURDAY


def fed(**more):
    return Event("e", 0, "fed", **({"seed_g": 20, "flour_g": 60, "water_g": 60} | more))


@pytest.fixture
def book(sessions):
    return CultureBook(Work(sessions, lambda: SATURDAY))


def later(sessions, **passed):
    return CultureBook(Work(sessions, lambda: SATURDAY + timedelta(**passed)))


def test_the_demos_three_cultures_thrive_hunger_and_begin(book):
    gull, brack, pip = book.all()
    assert gull.health.code == "thriving" and gull.life.phases.ripe > 0.5
    assert brack.health.code == "hungry" and brack.life.place == "fridge" and brack.overdue
    assert pip.health is None and pip.guide.day == 4


def test_a_feed_is_kept_once_over_a_retry_and_a_restart(book, folder, sessions):
    for _ in range(2):
        book.log("gull", "mine", fed(), None)
    assert book.open("gull").life.grams == 140 and book.open("gull").events_in_all == 24
    sessions.kw["bind"].dispose()
    reopened = open_store(folder)
    assert CultureBook(Work(reopened, lambda: SATURDAY)).open("gull").life.fed.seed_g == 20
    reopened.kw["bind"].dispose()


@pytest.mark.parametrize(
    ("event", "at", "field"),
    [
        (fed(), "2026-11-28T06:45", "at"),
        (fed(), "half past six", "at"),
        (fed(), "2026-03-29T01:30", "at"),
        (fed(flour_g=0.5), None, "flour_g"),
        (Event("e", 0, "weighed", gross_g=200), None, "gross_g"),
        (Event("e", 0, "seen", height_mm=400), None, "height_mm"),
        (fed(), "2026-11-27T21:15", "at"),
    ],
)
def test_what_cannot_have_happened_is_refused_and_nothing_is_kept(book, event, at, field):
    before = book.open("gull")
    with pytest.raises(CraftError) as refused:
        book.log("gull", "bad", event, at)
    assert refused.value.field == field and say(refused.value.what).remedy
    assert book.open("gull") == before


def test_an_event_written_down_late_changes_what_came_after(book):
    before = book.open("gull").life
    book.log("gull", "late", Event("e", 0, "moved", place="fridge"), "2026-11-28T00:00")
    after = book.open("gull").life
    assert after.place == "fridge" and after.culture_c < before.culture_c - 8 and after.ripe != before.ripe
    assert [each.event.kind for each in book.open("gull").events[:3]] == ["seen", "seen", "moved"]


def test_what_was_taken_back_can_be_brought_in_for_thirty_days(book, sessions):
    book.log("gull", "mine", fed(), None)
    book.withdraw("gull", "mine")
    assert book.open("gull").life.fed.flour_g == 80
    assert [each.logged.event.id for each in book.open("gull").withdrawn] == ["mine"]
    later(sessions, days=29).withdraw("gull", "mine", False)
    assert "mine" in [each.event.id for each in book.open("gull").events]
    later(sessions, days=30).withdraw("gull", "mine")
    assert later(sessions, days=61).open("gull").withdrawn == ()
    with pytest.raises(CraftError):
        later(sessions, days=61).withdraw("gull", "mine", False)


def test_one_that_lives_in_the_fridge_is_told_to_go_back_there_after_its_feed(book):
    book.log("brack", "mine", fed(water_g=51), None)
    assert "then into the fridge" in str(say(book.open("brack").health.do))
    book.log("gull", "other", fed(), None)
    assert "fridge" not in str(say(book.open("gull").health.do))


def test_a_culture_put_away_comes_back_with_its_past(book, sessions):
    before = book.open("gull")
    book.put_away("gull")
    assert "gull" not in [line.id for line in book.all()] and [each.id for each in book.gone()] == ["gull"]
    book.put_away("gull", False)
    assert book.open("gull").events == before.events
    book.put_away("gull")
    assert later(sessions, days=31).gone() == ()


def test_the_autumn_hour_that_comes_twice_is_taken_as_the_first(sessions):
    book = CultureBook(Work(sessions, lambda: datetime(2026, 10, 25, 12, tzinfo=UTC)))
    book.save("night", Culture("Night", "rye", 100, Jar(300, 80)))
    book.log("night", "f", fed(), "2026-10-25T01:30")
    assert book.open("night").events[0].at == datetime(2026, 10, 25, 0, 30, tzinfo=UTC)


@pytest.mark.parametrize("write", [culture_files.to_json, culture_files.to_csv])
def test_a_whole_history_goes_out_and_comes_back_the_same(book, write):
    for key in ("gull", "brack", "pip"):
        culture, history = book.history(key)
        book.bring_in(f"{key}-2", *culture_files.read(write(culture, history)))
        again = book.open(f"{key}-2")
        assert again.culture == culture and again.life.points == book.open(key).life.points
        assert again.events_in_all == len(history)
        book.bring_in(f"{key}-2", *culture_files.read(write(culture, history)))
        assert book.open(f"{key}-2").events_in_all == len(history)


@pytest.mark.parametrize(
    "text",
    [
        "", "{", "[]", "# nothing\nat,kind", '{"format": "other", "events": []}',
        '{"format": "gentle-crust-culture", "culture": {"name": "x"}, "events": []}', "a,b\n1,2\n", "{" * 5000,
    ],
)  # fmt: skip
def test_files_that_are_none_are_refused_with_a_sentence(text):
    with pytest.raises(CraftError) as refused:
        culture_files.read(text)
    assert refused.value.field.startswith("text")


@pytest.mark.parametrize(
    ("old", "new", "names"),
    [
        ('"at": "2026-11-27T21:15:00+00:00"', '"at": "yesterday"', "events."),
        ('"flour_g": 80', '"flour_g": "much"', "text"),
        ('"kind": "fed"', '"kind": "sung"', "text"),
        ('"seed_g": 20', '"magic": 20', "events."),
        ('"at": "2026-11-27T21:15:00+00:00"', '"at": "2031-11-27T21:15:00+00:00"', "text"),
        ('"flour_g": 80', '"flour_g": 0', "flour_g"),
    ],
)
def test_a_spoilt_file_leaves_nothing_half_brought_in(book, old, new, names):
    text = culture_files.to_json(*book.history("gull"))
    assert old in text
    with pytest.raises(CraftError) as refused:
        book.bring_in("half", *culture_files.read(text.replace(old, new, 1)))
    assert refused.value.field.startswith(names)
    assert "half" not in [line.id for line in book.all()]


def test_the_calendar_holds_standing_feeds_and_those_of_plans_at_the_same_instants(sessions, book):
    ahead = Ahead(Work(sessions, lambda: SATURDAY))
    entries = ahead.calendar("gull")
    made = Calendar.from_ical(calendar_file(entries, "Feeds", SATURDAY, PLAIN))
    events = {str(event["summary"]): event for event in reversed(list(made.walk("VEVENT")))}
    assert events["Feed Gull"]["dtstart"].dt == datetime(2026, 11, 28, 21, 15, tzinfo=UTC)
    assert "Tidewater" in "".join(events) and "{" not in str(made.to_ical())
    brack = next(entry for entry in ahead.calendar("brack") if entry.id.startswith("feed"))
    assert "into the fridge" in str(say(brack.detail))
    uids = [str(event["uid"]) for event in made.walk("VEVENT")]
    assert len(set(uids)) == len(uids) == len(entries)


def test_the_next_thing_is_the_plans_step_or_a_feed_that_was_missed(sessions, book):
    def title(at):
        return str(say(Ahead(Work(sessions, lambda: at)).next().title))

    assert title(SATURDAY) == "Build the levain"
    evening = SATURDAY + timedelta(hours=16)
    assert title(evening) == "Feed Gull"
    later(sessions, hours=15).log("gull", "fed", fed(), None)
    assert title(evening) != "Feed Gull"


def test_a_plan_builds_from_the_culture_as_it_lives(sessions):
    plans = PlanBook(Work(sessions, lambda: SATURDAY))
    lively = plans.preview(Asked("tidewater-country", ready="2026-11-29T18:30"))
    assert lively.asked.culture_id == "gull" and lively.plan.starter.name == "Gull"
    assert [step.kind for step in lively.plan.steps].count("feed") <= 1
    hungry = plans.preview(Asked("tidewater-country", ready="2026-11-29T18:30", culture_id="brack")).plan
    feeds = [step for step in hungry.steps if step.kind == "feed"]
    assert feeds and "Brack" in say(feeds[0].detail).sentence
    rye = next(stage for stage in hungry.weigh if stage.kind == "feed")
    assert "Whole rye" in [say(line.name).sentence for line in rye.lines]


def test_a_plan_reports_at_once_when_the_culture_needs_longer_and_what_would_do(sessions):
    plans = PlanBook(Work(sessions, lambda: SATURDAY))
    asked = Asked("tidewater-country", ready="2026-11-28T19:30", style="room_steady", culture_id="brack")
    problems = plans.preview(asked).plan.problems
    assert problems and problems[0].minutes > 0
    assert any("ready" in mend.change for mend in plans.mends(asked))
    lively = Asked("tidewater-country", ready="2026-11-28T17:30", style="room_steady", culture_id="gull")
    assert plans.preview(lively).plan.problems
    offered = {name for mend in plans.mends(lively) for name in mend.change}
    assert {"yeast_supplement_percent", "ready"} <= offered


def test_a_slow_culture_makes_the_plan_begin_earlier_and_a_read_one_narrows_its_band(sessions, book):
    plans = PlanBook(Work(sessions, lambda: SATURDAY))
    asked = Asked("tidewater-country", ready="2026-11-30T18:30", style="room_steady")
    usual = plans.preview(asked).plan
    unknown = plans.preview(replace(asked, culture_id="")).plan
    assert usual.costs.spread_min < unknown.costs.spread_min
    for each in book.open("gull").events:
        if each.event.kind == "seen":
            book.withdraw("gull", each.event.id)
    for hours, height in ((4, 33), (3, 36), (2, 40)):
        key = f"slow{hours}"
        at = (SATURDAY - timedelta(hours=hours)).strftime("%Y-%m-%dT%H:%M")
        book.log("gull", key, Event("e", 0, "seen", height_mm=height), at)
    assert plans.preview(asked).plan.times.mix < usual.times.mix


def test_a_culture_fed_a_moment_ago_is_too_young_and_a_spoilt_one_is_refused(sessions, book):
    plans = PlanBook(Work(sessions, lambda: SATURDAY))
    book.log("gull", "now", fed(flour_g=160, water_g=160), None)
    asked = Asked("tidewater-country", ready="2026-11-28T20:30", style="room_steady", culture_id="gull")
    assert "young_culture" in [problem.code for problem in plans.preview(asked).plan.problems]
    book.log("gull", "look", Event("e", 0, "seen", growth="fuzzy"), None)
    with pytest.raises(CraftError) as refused:
        plans.preview(asked)
    assert refused.value.field == "culture_id" and "spoilt" in say(refused.value.what).sentence
    other = plans.preview(Asked("tidewater-country", ready="2026-11-29T18:30"))
    assert other.asked.culture_id == "brack"
    with pytest.raises(CraftError) as young:
        plans.preview(Asked("tidewater-country", ready="2026-11-29T18:30", culture_id="pip"))
    assert young.value.field == "culture_id"


def test_two_plans_of_one_culture_are_built_for_together(sessions):
    plans = PlanBook(Work(sessions, lambda: SATURDAY))
    first = plans.open(demo.TOMORROW_PLAN)
    plans.save("second", Asked("tidewater-country", pieces=4, ready="2026-11-29T08:00"))
    ahead = Ahead(Work(sessions, lambda: SATURDAY))
    shared = ahead.shared_with("second")
    assert shared is not None and {each.plan_id for each in shared.into} == {demo.TOMORROW_PLAN, "second"}
    alone = first.answer.plan.levains[0]
    assert shared.needed_g > 2 * alone.needed_g
    plans.put_away("second")
    assert ahead.shared_with(demo.TOMORROW_PLAN) is None


def test_a_saved_plan_keeps_the_culture_that_it_was_made_with(sessions, book):
    plans = PlanBook(Work(sessions, lambda: SATURDAY))
    before = plans.open(demo.TOMORROW_PLAN)
    book.log("gull", "now", fed(), None)
    book.put_away("gull")
    assert plans.open(demo.TOMORROW_PLAN).answer.plan == before.answer.plan
    question = plans.question(before)
    assert question.starter == before.answer.plan.starter
