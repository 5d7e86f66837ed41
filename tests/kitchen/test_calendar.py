"""The calendar: every step of plans and doughs with its alarm, moved when they move; feeds of each culture."""

from datetime import timedelta

import pytest
from icalendar import Calendar

from gentle_crust import demo
from gentle_crust.api.app import create_app
from gentle_crust.interchange.calendar_file import calendar_file
from gentle_crust.kitchen import story as tale
from gentle_crust.kitchen.ahead import Ahead
from gentle_crust.kitchen.bench import BenchBook
from gentle_crust.kitchen.presses import Press, Presses
from gentle_crust.kitchen.work import Work
from gentle_crust.text.render import PLAIN
from tests.conftest import SATURDAY

PLAN = demo.TOMORROW_PLAN


def ahead(sessions, at=SATURDAY):
    return Ahead(Work(sessions, lambda: at))


def events(entries):
    made = Calendar.from_ical(calendar_file(entries, "All", SATURDAY, PLAIN))
    return {str(event["uid"]): event for event in made.walk("VEVENT")}


def test_every_step_of_a_saved_plan_is_there_with_its_alarm(sessions, book):
    steps = book.open(PLAN).answer.plan.steps
    found = {uid: event for uid, event in events(ahead(sessions).calendar()).items() if f"plan-{PLAN}-" in uid}
    assert {f"plan-{PLAN}-{step.key}@gentle-crust" for step in steps if step.at >= SATURDAY} == set(found)
    for step in steps:
        event = found[f"plan-{PLAN}-{step.key}@gentle-crust"]
        assert event["dtstart"].dt == step.at and "Tidewater" in event["summary"]
        assert event["dtend"].dt - step.at == timedelta(minutes=max(step.minutes, 5))
        (alarm,) = event.walk("VALARM")
        assert alarm["trigger"].dt == timedelta(0)


def test_a_plan_that_is_planned_anew_moves_its_steps_and_keeps_their_names(sessions, book):
    before = events(ahead(sessions).of_plan(PLAN))
    client = create_app(sessions, lambda: SATURDAY).test_client()
    asked = client.get(f"/api/plans/{PLAN}").json["asked"]
    assert client.put(f"/api/plans/{PLAN}", json=asked | {"ready": "2026-11-29T09:30"}).status_code == 200
    after = events(ahead(sessions).of_plan(PLAN))
    out = f"plan-{PLAN}-out-1@gentle-crust"
    assert set(before) == set(after)
    assert after[out]["dtstart"].dt - before[out]["dtstart"].dt == pytest.approx(
        timedelta(hours=2), abs=timedelta(minutes=3)
    )


def test_a_dough_at_the_bench_is_told_as_it_goes_and_what_is_done_is_gone(sessions, book):
    plan = book.open(PLAN).answer.plan
    levain = next(step for step in plan.steps if step.kind == "levain")
    late = levain.at + timedelta(hours=1)
    presses = Presses(Work(sessions, lambda: late))
    presses.start(PLAN, "p-1")
    presses.press(PLAN, (Press("p-2", tale.STEP, late, {"key": levain.key}),))
    told = {entry.id.removeprefix(f"plan-{PLAN}-"): entry.at for entry in ahead(sessions, late).of_plan(PLAN)}
    assert levain.key not in told and "mix-1" in told
    live = next(each.live for each in BenchBook(Work(sessions, lambda: late)).view().doughs if each.id == PLAN)
    assert told == {step.key: step.at for step in live.steps if step.state in ("due", "coming")}


def test_a_levain_stays_in_its_cultures_calendar_when_its_dough_is_begun(sessions, book):
    def of_plan(at=SATURDAY):
        return {entry.id for entry in ahead(sessions, at).calendar("gull") if entry.plan_id == PLAN}

    before = of_plan()
    assert before
    Presses(Work(sessions, lambda: SATURDAY)).start(PLAN, "p-1")
    assert of_plan() == before


def test_no_two_entries_share_a_name_and_a_cultures_calendar_has_only_its_own(sessions):
    entries = ahead(sessions).calendar()
    assert len({entry.id for entry in entries}) == len(entries)
    gull = ahead(sessions).calendar("gull")
    assert gull and all(entry.culture_id == "gull" for entry in gull) and len(gull) < len(entries)


def test_one_plans_file_is_served_and_one_that_is_not_there_is_said(sessions):
    client = create_app(sessions, lambda: SATURDAY).test_client()
    answer = client.get(f"/api/plans/{PLAN}/calendar.ics")
    assert answer.status_code == 200 and answer.content_type.startswith("text/calendar")
    assert answer.data.count(b"BEGIN:VEVENT") == len(ahead(sessions).of_plan(PLAN)) > 10
    assert client.get("/api/plans/none/calendar.ics").status_code == 404
