"""A running course changed by hand over HTTP: offered, tried, kept once, taken back, in record, calendar and list."""

from datetime import datetime, timedelta

import pytest

from tests.api.conftest import PLAN

HOUR = timedelta(hours=1)


@pytest.fixture
def bulk(day):
    """A dough of two pots, an hour into its bulk."""
    return day.mixed().at(15, 20)


def offers(day):
    return {each["code"]: each for each in day.client.get(f"/api/bench/{PLAN}/edits").json["offers"]}


def edit(day, code, **body):
    return day.press("bake_edited", {"code": code, "stage": "", **body})


def tried(day, **body):
    return day.client.post(f"/api/bench/{PLAN}/edits", json=body)


def keys(day, *states):
    return [step["key"] for step in day.dough()["steps"] if step["state"] in states]


def test_what_is_offered_begins_with_figures_that_can_be_done_as_they_are(bulk):
    found = offers(bulk)
    assert set(found) == {"end", "fridge", "stage", "split", "vessel", "weighed"}
    assert found["fridge"]["until"].startswith("2026-11-29T0") and found["split"]["pieces"] == 1
    assert found["weighed"]["dough_g"] == round(2 * bulk.dough()["each_g"])
    for code, offer in found.items():
        body = {"code": code, "stage": offer["stage"]}
        if offer["until"]:
            body["until"] = offer["until"][:16]
        if code == "stage":
            body |= {"stage": offer["extra"][0]["after"], "kind": offer["extra"][0]["kind"], "minutes": 20}
        body |= {"pieces": offer["pieces"]} if code == "split" else {}
        body |= {"vessel": offer["vessels"][0]["id"]} if code == "vessel" else {}
        body |= {"dough_g": offer["dough_g"]} if code == "weighed" else {}
        answer = tried(bulk, **body)
        assert answer.status_code == 200, (code, answer.json)
        assert "Out of the oven" in answer.json["tried"]["sentence"], code


def test_no_vessel_is_offered_that_the_loaf_does_not_fit(bulk):
    kitchen = bulk.client.get("/api/kitchen").json["settings"]["vessels"]
    tins = {each["id"] for each in kitchen if each["kind"] == "tin"}
    offered = {each["id"] for each in offers(bulk)["vessel"]["vessels"]}
    assert tins and offered and not offered & tins
    assert edit(bulk, "vessel", vessel=next(iter(tins)))["refused"][0]["field"] == "vessel"


def test_trying_tells_what_keeping_does(bulk):
    said = tried(bulk, code="fridge", stage="bulk", until="2026-11-29T07:00").json["tried"]
    assert bulk.dough()["history"][-1]["kind"] == "bake_step"
    assert not edit(bulk, "fridge", until="2026-11-29T07:00")["refused"]
    kept = datetime.fromisoformat(bulk.dough()["out"])
    assert abs(kept - datetime.fromisoformat(said["out"])) < timedelta(minutes=2)


def test_a_press_that_arrives_twice_counts_once(bulk):
    for _ in range(2):
        bulk.press("bake_edited", {"code": "fridge", "stage": "bulk", "until": "2026-11-29T07:00"}, key="once")
    edits = [each for each in bulk.dough()["history"] if each["kind"] == "bake_edited"]
    assert len(edits) == 1 and edits[0]["body"]["number"] == 1
    assert [key for key in keys(bulk, "done") if key.startswith("chill-")] == ["chill-10001"]


def test_keys_of_its_steps_stay_when_an_earlier_change_is_taken_back(bulk):
    edit(bulk, "weighed", dough_g=offers(bulk)["weighed"]["dough_g"] - 30)
    edit(bulk, "fridge", until="2026-11-29T07:00")
    before = keys(bulk, "coming", "due", "done")
    first = next(each for each in bulk.dough()["history"] if each["kind"] == "bake_edited")
    bulk.press("bake_withdrawn", {"event": first["id"]})
    assert keys(bulk, "coming", "due", "done") == before and "out_of_fridge-20101" in before


def test_the_record_tells_every_change_and_what_was_weighed(bulk):
    planned = bulk.dough()["each_g"]
    edit(bulk, "weighed", dough_g=round(2 * planned) - 40)
    stone = offers(bulk)["vessel"]["vessels"][0]
    edit(bulk, "vessel", vessel=stone["id"])
    record = bulk.client.get(f"/api/bakes/{PLAN}").json["bake"]
    assert [each["body"]["code"] for each in record["edits"]] == ["weighed", "vessel"]
    assert record["each_g"] == pytest.approx(planned - 20, abs=1) and record["vessel_id"] == stone["id"]
    assert bulk.dough()["vessel"] == stone["name"]


def test_the_calendar_moves_with_it(bulk):
    def alarms():
        text = bulk.client.get("/api/calendar.ics").get_data(as_text=True)
        return [line for line in text.splitlines() if line.startswith("SUMMARY") and "fridge" in line.lower()]

    before = alarms()
    edit(bulk, "fridge", until="2026-11-29T07:00")
    assert any("Out of the fridge" in line for line in alarms()) and alarms() != before


def test_a_part_that_was_split_off_is_in_the_way_of_another_plan(bulk):
    edit(bulk, "split", pieces=1, until="2026-11-30T12:00")
    asked = {"formula_id": "lamplighters-tin", "ready": "2026-11-30T12:00"}
    plan = bulk.client.post("/api/plan", json=asked).json
    assert "oven_taken" in {each["code"] for each in plan["plan"]["problems"]}
    mine = [each for each in plan["others"] if each["what"] == "oven" and each["name"] == "Tidewater country loaf"]
    spans = [datetime.fromisoformat(each["end"]) - datetime.fromisoformat(each["start"]) for each in mine]
    assert spans and max(spans) < 3 * HOUR


@pytest.mark.parametrize(
    ("body", "field"),
    [
        ({}, "code"),
        ({"code": "fly"}, "code"),
        ({"code": "fridge", "stage": "bulk", "until": "2026-11-29T07:00", "ambient_c": 4}, "ambient_c"),
        ({"code": "fridge", "stage": "bulk", "until": "soon"}, "until"),
        ({"code": "split", "stage": "bulk", "pieces": "two"}, "pieces"),
        ({"code": "weighed", "dough_g": 1e12}, "dough_g"),
        ({"code": "stage", "stage": "bulk", "kind": "rest", "minutes": -5}, "minutes"),
    ],
)
def test_what_cannot_be_tried_is_refused_by_its_field_with_a_remedy(bulk, body, field):
    answer = tried(bulk, **body)
    error = answer.json["errors"][0]
    assert 400 <= answer.status_code < 500 and error["field"].endswith(field) and error["sentence"] and error["remedy"]
    assert not [each for each in bulk.dough()["history"] if each["kind"] == "bake_edited"]


def test_a_dough_that_is_not_here_has_nothing_to_change(day):
    assert day.client.get("/api/bench/nobody/edits").status_code == 404
    assert day.client.post("/api/bench/nobody/edits", json={"code": "end"}).status_code == 404
