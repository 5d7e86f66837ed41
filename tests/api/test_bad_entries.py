"""One bad entry costs one entry: it is refused at the door or set aside, and all else works."""

import json
from dataclasses import replace
from datetime import UTC, datetime, timedelta

import pytest

from gentle_crust.kitchen.bench import BenchBook
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.presses import Presses
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work
from gentle_crust.store.models import CultureRow, EventRow, PlanRow
from tests.api.conftest import PLAN
from tests.conftest import SATURDAY

BAD = [
    ("bake_judged", {"cues": "x"}),
    ("bake_judged", {}),
    ("bake_judged", {"cues": {"poke": None}}),
    ("bake_changed", {"change": {"code": "chill", "at": "2026-11-28T18:00:00", "load_at": "2026-11-29T07:00:00"}}),
    ("bake_changed", {"change": {"code": "load_at", "at": "2026-11-28T18:00:00Z", "load_at": "0001-01-01T00:00:00Z"}}),
    ("bake_changed", {"change": "soon"}),
    ("bake_step", {"key": "\ud800-1"}),
    ("bake_step", {"key": "levain--5"}),
    ("bake_step", {"key": "levain-\u00b2"}),
    ("bake_step", {"key": ["fold-1"]}),
    ("bake_not_yet", {"key": "divide-1", "minutes": "soon"}),
    ("bake_snoozed", {"key": "divide-1", "minutes": None}),
    ("reading", {"measure": "percent", "value": "much"}),
    ("reading", {"measure": "core", "value": 90}),
    ("bake_corrected", {"event": "p1"}),
    ("bake_corrected", {"event": "p1", "at": "0001-01-01T00:00:00+00:00"}),
    ("bake_withdrawn", {"event": 7}),
    ("absence", {"from": "17:00"}),
    ("absence_withdrawn", {}),
]  # fmt: skip


def both(day, kind, body):
    """A bad press and a good note behind it, sent together."""
    at = day.now.isoformat()
    presses = [
        {"id": "bad", "dough": PLAN, "kind": kind, "body": body, "at": at},
        {"id": "good", "dough": PLAN, "kind": "bake_note", "body": {"text": "Smells of apples."}, "at": at},
    ]
    # Half letters are sent as browsers send them: escaped.
    data = json.dumps({"sent_at": at, "presses": presses})
    return day.client.post("/api/bench/presses", data=data, content_type="application/json")


@pytest.mark.many
@pytest.mark.parametrize(("kind", "body"), BAD)
def test_a_good_press_behind_a_bad_one_is_kept_and_the_bench_stays_open(day, kind, body):
    day.mixed().at(15, 0)
    found = both(day, kind, body)
    assert found.status_code == 200 and found.json["taken"] == ["good"]
    (refused,) = found.json["refused"]
    assert refused["id"] == "bad" and refused["field"] and refused["sentence"] and not refused["keep"]
    record = day.client.get(f"/api/bench/{PLAN}/record").json
    assert "bad" not in [each["id"] for each in record["events"] + record["withdrawn"]]
    assert "Smells of apples." in [each["body"].get("text") for each in record["events"]]
    assert day.dough()["id"] == PLAN and day.client.get("/api/next").status_code == 200


def test_half_letters_in_texts_are_kept_as_what_can_be_written(day):
    day.mixed().at(15, 0)
    for kind, body in (
        ("bake_note", {"text": "lovely \ud83c"}),
        ("bake_probe", {"device": "spike \udfff"}),
        ("bake_snoozed", {"key": "fold-2", "minutes": 5, "note": "\ud800"}),
        ("bake_not_yet", {"key": "fold-2", "minutes": 5, "note": "a\x00b"}),
    ):
        at = day.now.isoformat()
        one = {"id": kind.replace("_", "-"), "dough": PLAN, "kind": kind, "body": body, "at": at}
        data = json.dumps({"sent_at": at, "presses": [one]})
        found = day.client.post("/api/bench/presses", data=data, content_type="application/json").json
        assert found["refused"] == []
    texts = json.dumps(day.client.get(f"/api/bench/{PLAN}/record").json)
    assert "lovely \\ufffd" in texts and "\\u0000" not in texts


def stored(sessions, *events):
    with sessions.begin() as session:
        for number, (kind, body) in enumerate(events):
            at = SATURDAY + timedelta(hours=8, minutes=number)
            session.add(EventRow(id=f"old-{number}", kind=kind, subject=PLAN, at=at, body=body))


def test_bad_events_of_an_older_program_are_set_aside_and_shown_as_such(day):
    day.mixed()
    before = day.at(16, 0).dough()["steps"]
    naive = {"change": {"code": "chill", "at": "2026-11-28T14:30:00", "load_at": "2026-11-29T07:00:00"}, "sentence": ""}
    stored(
        day.sessions, ("bake_changed", naive), ("bake_note", {"text": "\ud800"}), ("bake_probe", {"device": "\ud800"}),
        ("bake_step", {"key": "\ud800-1"}), ("bake_judged", {"cues": {}}), ("bake_withdrawn", {}),
    )  # fmt: skip
    found = day.dough()
    assert [each["at"] for each in found["steps"]] == [each["at"] for each in before]
    record = day.client.get(f"/api/bench/{PLAN}/record").json
    assert {each["id"] for each in record["unreadable"]} == {"old-0", "old-3", "old-4", "old-5"}
    assert day.press("bake_withdrawn", {"event": "old-0"})["refused"] == []
    assert day.client.get("/api/next").status_code == 200
    assert day.done("fold-1")["refused"] == []


def test_a_dough_that_cannot_be_carried_on_is_set_aside_and_the_others_go_on(day, monkeypatch):
    day.mixed().at(15, 0)
    PlanBook(Work(day.sessions, lambda: day.now))
    key = "second-dough"
    day.client.post(f"/api/bench/mixed/{key}", json={"event": "m2", "formula_id": "tidewater-country",
                                                     "mixed_at": day.now.isoformat()})  # fmt: skip
    assert len(day.bench()["doughs"]) == 2
    whole = BenchBook._dough

    def broken(self, saved, *rest):
        if saved.id == key:
            raise KeyError("a fault of the program")
        return whole(self, saved, *rest)

    monkeypatch.setattr(BenchBook, "_dough", broken)
    found = day.bench()
    assert [each["id"] for each in found["doughs"]] == [PLAN]
    (aside,) = found["aside"]
    assert aside["id"] == key and aside["name"].lower() == "tidewater country loaf" and "kept" in aside["sentence"]
    assert day.client.get("/api/next").status_code == 200
    assert day.press("bake_stopped", dough=key)["taken"]
    assert day.bench()["aside"] == []


def test_a_fault_of_the_program_keeps_the_press_where_it_was_pressed(day, monkeypatch):
    day.mixed().at(15, 0)
    whole = Presses._checked

    def broken(self, press, story, saved):
        if press.kind == "bake_judged":
            raise KeyError("a fault of the program")
        return whole(self, press, story, saved)

    monkeypatch.setattr(Presses, "_checked", broken)
    found = both(day, "bake_judged", {"cues": {}}).json
    assert found["taken"] == ["good"] and found["refused"][0]["keep"] is True


def test_a_press_that_would_stop_the_dough_is_not_kept(day, monkeypatch):
    day.mixed().at(15, 0)
    whole = BenchBook._dough

    def broken(self, saved, question, story, now):
        if story.happened.stands:
            raise KeyError("a fault of the program")
        return whole(self, saved, question, story, now)

    monkeypatch.setattr(BenchBook, "_dough", broken)
    change = {"code": "warm", "at": day.now.isoformat(), "ambient_c": 27.0}
    found = day.press("bake_changed", {"change": change}, key="poison")
    assert found["refused"][0]["keep"] is True and found["bench"]["doughs"][0]["id"] == PLAN
    assert "poison" not in [each["id"] for each in day.client.get(f"/api/bench/{PLAN}/record").json["events"]]
    assert day.done("fold-1")["taken"]


def test_a_vessel_that_left_the_kitchen_closes_only_its_own_dough(day):
    day.mixed().at(15, 0)
    kitchen = KitchenSettings(Work(day.sessions, lambda: day.now))
    found = kitchen.get()
    used = PlanBook(Work(day.sessions, lambda: day.now)).open(PLAN).answer.asked.vessel_id
    kitchen.save(replace(found, vessels=tuple(vessel for vessel in found.vessels if vessel.id != used)))
    bench = day.bench()
    assert bench["doughs"] == [] and "vessel" in bench["aside"][0]["sentence"].lower()


def test_a_plan_that_cannot_be_read_closes_only_its_own_dough(day):
    day.mixed().at(15, 0)
    key = "second-dough"
    day.client.post(f"/api/bench/mixed/{key}", json={"event": "m2", "formula_id": "tidewater-country",
                                                     "mixed_at": day.now.isoformat()})  # fmt: skip
    with day.sessions.begin() as session:
        row = session.get(PlanRow, key)
        row.shown = {"engine": "1"}
        row.updated_at = day.now + timedelta(seconds=1)
    assert [each["id"] for each in day.bench()["doughs"]] == [PLAN]


QUICK = {"mixed_at": None, "style": "room_steady", "dough_c": 28}


@pytest.mark.parametrize("hours", [0.0, 2.0, 5.0, 9.0, 23.5])
def test_a_quick_dough_entered_hours_after_its_mixing_stands_on_the_bench(day, hours):
    day.at(20, 0)
    mixed = (day.now - timedelta(hours=hours)).isoformat()
    found = day.client.post(
        "/api/bench/mixed/late", json={**QUICK, "event": "late", "formula_id": "harbour-flat", "mixed_at": mixed}
    )
    assert found.status_code == 200
    assert [each["id"] for each in day.bench()["doughs"]] == ["late"] and day.bench()["aside"] == []
    day.at(20, 30)
    assert day.press("bake_note", {"text": "late"}, dough="late")["taken"]


@pytest.mark.parametrize(
    "body",
    [
        {"formula_id": "no-such-formula"},
        {"formula_id": "harbour-flat", "pieces": 0},
        {"formula_id": "harbour-flat", "dough_c": 80},
        {"formula_id": "harbour-flat", "mixed_at": "0001-01-01T00:00:00+00:00"},
        {"formula_id": "harbour-flat", "mixed_at": "2026-11-27T01:00:00+00:00"},
        {"formula_id": "harbour-flat", "mixed_at": "2027-11-28T01:00:00+00:00"},
    ],
)
def test_what_is_refused_leaves_nothing_behind(day, body):
    plans = len(day.client.get("/api/plans").json["plans"])
    found = day.client.post("/api/bench/mixed/none", json={"event": "none", "mixed_at": day.now.isoformat(), **body})
    assert found.status_code in (404, 422) and found.json["errors"][0]["remedy"]
    assert len(day.client.get("/api/plans").json["plans"]) == plans and day.bench()["doughs"] == []


def test_a_dough_that_could_not_be_carried_leaves_no_plan_behind(day, monkeypatch):
    def broken(self, saved, story):
        raise KeyError("a fault of the program")

    monkeypatch.setattr(BenchBook, "would_stand", broken)
    before = len(day.client.get("/api/plans").json["plans"])
    found = day.client.post(
        "/api/bench/mixed/none",
        json={**QUICK, "event": "x", "formula_id": "harbour-flat", "mixed_at": day.now.isoformat()},
    )
    assert found.status_code == 500
    monkeypatch.undo()
    assert len(day.client.get("/api/plans").json["plans"]) == before and day.bench()["doughs"] == []


@pytest.mark.parametrize(
    "change",
    [
        {"name": "broken \ud83c"},
        {"note": "\ud800"},
        {"events": [{"at": "0001-01-01T00:00:00+00:00", "kind": "looked"}]},
    ],
)
def test_a_culture_file_with_broken_letters_or_years_never_closes_the_cultures(client, change):
    text = client.get("/api/cultures/gull/history.json").text
    body = json.loads(text)
    if "events" in change:
        body["events"] += change["events"]
    else:
        body["culture"] |= change
    found = client.put("/api/cultures/brought/file", data=json.dumps({"text": json.dumps(body)}),
                       content_type="application/json")  # fmt: skip
    assert found.status_code in (200, 422)
    if found.status_code == 422:
        assert "year" in found.json["detail"] or "date" in found.json["detail"]
    assert client.get("/api/cultures").status_code == 200


def test_bad_events_and_letters_of_a_culture_are_left_out_and_all_else_lives(day):
    before = next(each for each in day.client.get("/api/cultures").json["cultures"] if each["id"] == "gull")
    at = SATURDAY - timedelta(hours=3)
    with day.sessions.begin() as session:
        row = session.get(CultureRow, "gull")
        row.body = {**row.body, "note": "half \ud83c", "name": row.body["name"] + "\udfff"}
        for number, (kind, when, body) in enumerate(
            (("fed", datetime(1, 1, 1, tzinfo=UTC), {"seed_g": 20, "flour_g": 20, "water_g": 20}),
             ("seen", at, {"height_mm": "tall"}), ("seen", at, {"song": 1}), ("moved", at, {"note": "\ud800"}))
        ):  # fmt: skip
            session.add(EventRow(id=f"odd-{number}", kind=kind, subject="gull", at=when, body=body))
    found = day.client.get("/api/cultures")
    assert found.status_code == 200
    after = next(each for each in found.json["cultures"] if each["id"] == "gull")
    assert {**after["life"], "vigour_words": ""} == {**before["life"], "vigour_words": ""} and after["culture"][
        "name"
    ].endswith("\ufffd")
    for path in ("/api/cultures/gull", "/api/next", "/api/bench", "/api/cultures/brack/calendar.ics"):
        assert day.client.get(path).status_code == 200, path
    assert day.client.delete("/api/cultures/gull").status_code == 200
    assert day.client.get("/api/cultures").status_code == 200
