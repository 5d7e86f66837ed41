"""Readings, ways, shades and turned questions over HTTP; what cannot be is refused and nothing is half kept."""

from datetime import datetime, timedelta

import pytest

from gentle_crust import demo
from gentle_crust.api.app import create_app
from gentle_crust.store.baking import Plans
from tests.conftest import SATURDAY

PLAN = f"/api/plans/{demo.TOMORROW_PLAN}"
LATER = SATURDAY + timedelta(hours=11)


@pytest.fixture
def evening(sessions):
    return create_app(sessions, lambda: LATER).test_client()


def read(client, key, **body):
    return client.put(f"{PLAN}/readings/{key}", json=body)


def test_a_reading_is_kept_once_moves_the_plan_and_survives_a_restart(evening, sessions):
    before = evening.get(PLAN).json
    assert before["readings"] == [] and before["followed"] is None
    for _ in range(2):
        after = read(evening, "r1", measure="line_ml", value=2300, at="2026-11-28T16:00").json
    assert len(after["readings"]) == 1 and "faster" in after["followed"]["told"]["sentence"]
    assert after["followed"]["times"]["bulk_end"] < before["plan"]["times"]["bulk_end"]
    assert after["plan"] == before["plan"]
    again = create_app(sessions, lambda: LATER).test_client().get(PLAN).json
    assert again["followed"] == after["followed"]
    gone = evening.delete(f"{PLAN}/readings/r1").json
    assert gone["readings"] == [] and gone["followed"] is None


@pytest.mark.parametrize(
    ("body", "field"),
    [
        ({"measure": "celsius", "value": 60}, "reading.value"),
        ({"measure": "percent", "value": 900}, "reading.value"),
        ({"measure": "percent", "value": 20, "at": "2026-11-28T09:00"}, "reading.at"),
        ({"measure": "percent", "value": 20, "at": "2026-11-28T23:00"}, "at"),
        ({"measure": "percent", "value": 20, "at": "half past"}, "at"),
        ({"measure": "line_ml", "value": 3}, "line_ml"),
        ({"measure": "heights_mm", "value": 40}, "start"),
        ({"measure": "feeling", "value": 1}, "measure"),
        ({"measure": "percent", "value": "NaN"}, "value"),
    ],
)
def test_a_reading_that_cannot_be_is_refused(evening, body, field):
    answer = read(evening, "bad", **body)
    assert answer.status_code == 422 and answer.json["errors"][0]["field"] == field
    assert evening.get(PLAN).json["readings"] == []


def test_ways_shades_and_reasons_answer_for_every_formula(client):
    for each in client.get("/api/formulas").json["formulas"]:
        asked = {"formula_id": each["id"], "ready": "2026-11-30T12:30"}
        ways = client.post("/api/plan/ways", json=asked).json["ways"]
        styles = [way["style"] for way in ways]
        assert {"room_steady", "warm_quick"} <= set(styles) and len(set(styles)) == len(styles) >= 2
        assert all(way["why_not"] or way["ribbon"]["parts"] for way in ways)
        assert len(client.post("/api/plan/what-if", json=asked).json["shades"]) == 3
        assert client.post("/api/plan/why", json=asked).json["why"]["likely_h"] > 0


def test_shades_and_reasons_are_of_the_plan_that_is_shown_around_what_others_take(client):
    """Two doughs for one time: the second is begun at another time than alone, and its shades with it."""
    asked = {"formula_id": "tidewater-country", "ready": "2026-11-30T12:30"}
    alone = client.post("/api/plan", json=asked).json["plan"]
    assert client.put("/api/plans/first", json=asked).status_code == 200
    beside = client.post("/api/plan", json=asked).json["plan"]
    assert beside["times"]["mix"] != alone["times"]["mix"]

    def begins(path):
        shades = client.post(path, json=asked).json["shades"]
        return next(each for each in shades if each["code"] == "colder")["parts"][0]["points"][0]["at"]

    def drawn(plan):
        return next(part for part in plan["ribbon"]["parts"] if part["kind"] == "bulk")["points"][0]["at"]

    assert begins("/api/plan/what-if") == drawn(beside)
    assert begins("/api/plan/what-if?plan=first") == drawn(alone)
    likely = [client.post(f"/api/plan/why{which}", json=asked).json["why"]["likely_h"] for which in ("", "?plan=first")]
    for plan, hours in zip((beside, alone), likely, strict=True):
        mixed, ended = (datetime.fromisoformat(plan["times"][name]) for name in ("mix", "bulk_end"))
        assert hours == pytest.approx((ended - mixed) / timedelta(hours=1), abs=0.02)


@pytest.mark.parametrize(
    ("more", "field"),
    [
        ({"question": "levain", "rise": 0.5, "hours": 6, "asked": {"formula_id": "lamplighters-tin"}}, "question"),
        ({"question": "ready", "rise": 9, "hours": 6}, "rise"),
        ({"question": "dough_c", "rise": 0.5, "hours": 1e9}, "hours"),
        ({"question": "weather", "rise": 0.5, "hours": 6}, "question"),
    ],
)
def test_turned_questions_out_of_reach_name_their_field(client, more, field):
    asked = {"formula_id": "tidewater-country"} | more.get("asked", {}) | {"ready": "2026-11-29T12:30"}
    answer = client.post("/api/plan/turn", json=more | {"asked": asked})
    assert answer.status_code == 422 and answer.json["errors"][0]["field"] == field


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"fridge_days": 9}, "fridge_days"),
        ({"folds": -1}, "folds"),
        ({"school": "mine"}, "school"),
        ({"levain_percent": 90}, "levain_percent"),
    ],
)
def test_new_wishes_out_of_reach_name_their_field(client, change, field):
    asked = {"formula_id": "tidewater-country", "ready": "2026-11-29T12:30"}
    answer = client.post("/api/plan", json=asked | change)
    assert answer.status_code == 422 and answer.json["errors"][0]["field"] == field


def test_a_plan_saved_by_an_older_program_still_opens_and_asks_to_be_saved_before_it_is_read(evening, sessions):
    with sessions.begin() as session:
        row = Plans(session).get(demo.TOMORROW_PLAN)
        newer = ("times", "costs", "fold_plan", "later", "told")
        row.shown = {name: value for name, value in row.shown.items() if name not in newer}
        row.asked = {name: value for name, value in row.asked.items() if name in ("formula_id", "ready", "pieces")}
        row.updated_at += timedelta(seconds=1)
    opened = evening.get(PLAN)
    assert opened.status_code == 200 and opened.json["plan"]["times"] is None and opened.json["followed"] is None
    refused = read(evening, "r1", measure="percent", value=20)
    assert refused.status_code == 422 and "Save it once more" in refused.json["detail"]


def test_two_readings_sent_out_of_order_come_to_the_same(evening):
    early = {"measure": "percent", "value": 10, "at": "2026-11-28T16:50"}
    late = {"measure": "percent", "value": 30, "at": "2026-11-28T17:20"}
    read(evening, "b", **late)
    one = read(evening, "a", **early).json
    assert [each["id"] for each in one["readings"]] == ["a", "b"]
    for key in ("a", "b"):
        evening.delete(f"{PLAN}/readings/{key}")
    read(evening, "c", **early)
    other = read(evening, "d", **late).json
    assert one["followed"]["times"] == other["followed"]["times"]


def test_a_plan_that_was_put_off_leaves_the_old_doughs_readings_behind(evening):
    read(evening, "r1", measure="percent", value=20, at="2026-11-28T17:00")
    asked = evening.get(PLAN).json["asked"]
    assert evening.put(PLAN, json=asked | {"ready": "2026-11-30T07:30"}).status_code == 200
    opened = evening.get(PLAN).json
    assert opened["readings"] == [] and opened["followed"] is None


def test_a_plan_whose_pot_left_the_kitchen_still_opens_and_says_why_readings_do_not_move_it(evening):
    read(evening, "r1", measure="percent", value=20, at="2026-11-28T17:00")
    kitchen = evening.get("/api/kitchen").json["settings"]
    kitchen["vessels"] = [vessel for vessel in kitchen["vessels"] if vessel["id"] != "pot"]
    assert evening.put("/api/kitchen", json=kitchen).status_code == 200
    opened = evening.get(PLAN)
    assert opened.status_code == 200 and opened.json["followed"] is None
    assert "vessel is not in this kitchen" in opened.json["readings"][0]["doubt"]
