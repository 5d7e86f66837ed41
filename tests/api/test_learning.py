"""What bakes have taught, over the API: shown with its bakes, put aside and back, and what plans make of it."""

from datetime import datetime, timedelta

import pytest

from gentle_crust.api.app import create_app
from gentle_crust.kitchen.mixes import MixBook
from gentle_crust.kitchen.work import Work
from gentle_crust.store.models import BakeRow, PlanRow
from tests.api.conftest import until_cut
from tests.conftest import SATURDAY

COUNTRY = "tidewater-country"


@pytest.fixture
def past(past_sessions):
    """The six weeks of the demo."""
    return create_app(past_sessions, lambda: SATURDAY).test_client()


def lessons(client):
    return {each["key"]: each for each in client.get("/api/learning").json["lessons"]}


def put(client, lesson, bake="", aside=True, event="tap-1"):
    return client.post("/api/learning/aside", json={"event": event, "lesson": lesson, "bake": bake, "aside": aside})


def learnt(client, formula=COUNTRY):
    return client.post("/api/plan", json={"formula_id": formula}).json["asked"]["learnt"]


def a_day(day, key, *, late_min, warm=None, bowl=None):
    """A bake by a plan of its own, its rise read so many minutes later than it was forecast."""
    ready = (day.now + timedelta(hours=34)).strftime("%Y-%m-%dT%H:%M")
    kept = day.client.put(f"/api/plans/{key}", json={"formula_id": COUNTRY, "ready": ready, "culture_id": "gull"})
    assert kept.status_code == 200, kept.json
    plan = kept.json["plan"]
    day.press("bake_started", dough=key)
    at = {step["key"]: datetime.fromisoformat(step["at"]) for step in plan["steps"]}
    minutes = {step["key"]: step["minutes"] for step in plan["steps"]}
    bulk = next(part for part in plan["ribbon"]["parts"] if part["kind"] == "bulk")["points"]
    point = bulk[round(0.85 * len(bulk))]
    day.now = at["mix-1"] + timedelta(minutes=minutes["mix-1"])
    day.press("bake_step", {"key": "mix-1"}, dough=key)
    day.now = datetime.fromisoformat(point["at"]) + timedelta(minutes=late_min)
    if warm is not None:
        day.press("reading", {"measure": "celsius", "value": point["dough_c"] + warm}, dough=key)
    day.press("reading", {"measure": "percent", "value": 100 * point["rise"]}, dough=key)
    day.now = max(day.now, at["divide-1"]) + timedelta(minutes=minutes["divide-1"] + late_min)
    if bowl is not None:
        day.press("bake_edited", {"code": "weighed", "dough_g": (1 - bowl) * plan["totals"]["dough_g"]}, dough=key)
    day.press("bake_step", {"key": "divide-1"}, dough=key)
    for step in ("load-1", "out-1"):
        day.now = max(day.now, at[step]) + timedelta(minutes=1)
        day.press("bake_step", {"key": step}, dough=key)
    day.now += timedelta(hours=14)
    return plan


def test_lessons_stand_with_the_bakes_they_rest_on(past):
    found = lessons(past)
    assert {each.split(":")[0] for each in found} >= {"pace", "bake_loss", "late", "finger"}
    for each in found.values():
        assert 0 < each["sure"] <= 1 and min(each["tells"], 20) == len(each["bakes"])
        assert each["says"] and each["used"] and not each["changed"]
        days = [bake["at"] for bake in each["bakes"]]
        assert days == sorted(days, reverse=True)
    loaf = found[f"bake_loss:{COUNTRY}"]
    assert loaf["name"] == "Tidewater country loaf" and "loses 1" in loaf["says"]


def test_a_lesson_is_put_aside_with_a_tap_and_counts_again(past):
    key = next(each for each in lessons(past) if each.startswith("pace"))
    assert put(past, key).status_code == 200 and lessons(past)[key]["aside"]
    assert put(past, key, aside=False, event="tap-1").status_code == 200
    assert lessons(past)[key]["aside"], "the same tap sent again changes nothing"
    put(past, key, aside=False, event="tap-2")
    assert not lessons(past)[key]["aside"]


def test_one_bake_is_left_out_of_a_lesson(past):
    before = lessons(past)[f"bake_loss:{COUNTRY}"]
    bake = before["bakes"][0]["id"]
    put(past, before["key"], bake)
    after = lessons(past)[before["key"]]
    assert after["tells"] == before["tells"] - 1 and after["bakes"][0]["aside"] and after["sure"] < before["sure"]
    assert not lessons(past)["late"]["bakes"][0]["aside"], "only of that lesson"


def test_lessons_on_the_baker_count_only_by_wish(past):
    assert lessons(past)["finger"]["by_wish"] and lessons(past)["finger"]["aside"]
    put(past, "finger", aside=False)
    assert not lessons(past)["finger"]["aside"]


@pytest.mark.parametrize(("lesson", "bake"), [("pace:nobody", ""), ("late", "never"), ("weather", "")])
def test_what_was_never_taught_cannot_be_put_aside(past, lesson, bake):
    answer = put(past, lesson, bake)
    assert answer.status_code == 404 and answer.json["errors"][0]["remedy"]


def test_a_new_kitchen_has_learnt_nothing_and_moves_nothing(day):
    assert day.client.get("/api/learning").json == {"lessons": [], "others": []}
    assert learnt(day.client) is None


def test_a_leaven_that_is_slow_here_is_planned_slower_and_a_plan_says_so(day):
    for number in range(3):
        a_day(day, f"slow-{number}", late_min=70, warm=0.0)
    found = lessons(day.client)["pace:gull"]
    assert found["name"] == "Gull" and "slower than its jar lets expect" in found["says"] and found["tells"] == 3
    ready = (day.now + timedelta(hours=40)).strftime("%Y-%m-%dT%H:%M")
    asked = {"formula_id": COUNTRY, "ready": ready, "culture_id": "gull"}
    planned = day.client.post("/api/plan", json=asked).json
    assert 0.6 < planned["asked"]["learnt"]["pace"] < 0.93 and planned["asked"]["learnt"]["bakes"] == 3
    assert any("slower than its jar lets expect" in note for note in planned["plan"]["notes"])
    of_jar = day.client.get("/api/cultures/gull").json["culture"]["raises"]
    assert of_jar.startswith(f"Gull {found['says']} (3 bakes)"), "the page of its jar says the same"
    put(day.client, "pace:gull")
    assert not day.client.get("/api/cultures/gull").json["culture"]["raises"]
    plain = day.client.post("/api/plan", json=asked).json
    assert plain["asked"]["learnt"] is None or plain["asked"]["learnt"]["pace"] == 1
    assert plain["plan"]["times"]["mix"] > planned["plan"]["times"]["mix"], "what is slow is begun earlier"
    yeasted = day.client.post("/api/plan", json={"formula_id": "lamplighters-tin", "ready": ready}).json
    assert (yeasted["asked"]["learnt"] or {"pace": 1})["pace"] == 1, "what a culture taught is not yeast's"


@pytest.mark.long
def test_what_is_known_already_is_not_learnt_twice(day):
    for number in range(6):
        a_day(day, f"bake-{number}", late_min=60 if number < 3 else 0, warm=0.0)
    found = lessons(day.client)["pace:gull"]
    said = [each["says"] for each in found["bakes"]]
    assert all("slower" in each for each in said), said
    assert "slower" in found["says"], "forecasts that are right by what was learnt confirm it"


def test_a_dough_colder_than_forecast_tells_of_the_room_and_not_of_the_leaven(day):
    for number in range(3):
        a_day(day, f"cold-{number}", late_min=25, warm=-1.5)
    found = lessons(day.client)
    assert "2.1° cooler in the morning" in found["room"]["says"]
    assert min(learnt(day.client)["room_k"]) < -0.5


def test_what_stays_in_the_bowl_is_weighed_for(day):
    plans = [a_day(day, f"sticky-{number}", late_min=0, bowl=0.035) for number in range(3)]
    assert "keep 2" in lessons(day.client)["bowl_loss"]["says"] or "keep 3" in lessons(day.client)["bowl_loss"]["says"]
    ready = (day.now + timedelta(hours=40)).strftime("%Y-%m-%dT%H:%M")
    now = day.client.post("/api/plan", json={"formula_id": COUNTRY, "ready": ready}).json["plan"]
    assert now["totals"]["dough_g"] > plans[0]["totals"]["dough_g"] * 1.008


def test_what_water_a_flour_takes_is_written_down_learnt_and_said(day):
    for number in range(4):
        plan = a_day(day, f"thirsty-{number}", late_min=0)
        pressed = day.press("bake_water", {"more_g": 0.03 * plan["totals"]["flour_g"]}, dough=f"thirsty-{number}")
        assert pressed["refused"] == []
    water = lessons(day.client)["water:strong_white"]
    assert water["name"] == "Strong white" and "points more water than the tables say" in water["says"]
    ready = (day.now + timedelta(hours=40)).strftime("%Y-%m-%dT%H:%M")
    planned = day.client.post("/api/plan", json={"formula_id": COUNTRY, "ready": ready}).json
    assert 2 < planned["asked"]["learnt"]["water"] < 3
    assert any("points more water than is written" in note for note in planned["plan"]["notes"])


@pytest.mark.parametrize("more", [9000, "a cup", None])
def test_water_that_no_dough_takes_is_refused(day, more):
    day.mixed()
    refused = day.press("bake_water", {"more_g": more})["refused"]
    assert [each["field"] for each in refused] == ["more_g"] and refused[0]["remedy"]
    assert day.press("bake_water", {"more_g": -25})["refused"] == []


def test_what_other_rooms_learnt_is_listed_and_put_aside_too(past):
    oven = next(each for each in past.get("/api/learning").json["others"] if each["key"] == "oven")
    assert oven["tells"] >= 4 and not oven["aside"] and "bakes say" in oven["says"]
    asked = {"formula_id": COUNTRY, "ready": "2026-11-30T15:00"}
    taught = past.post("/api/plan", json=asked).json["plan"]["bake"]
    assert put(past, "oven").status_code == 200
    assert next(each for each in past.get("/api/learning").json["others"] if each["key"] == "oven")["aside"]
    plain = past.post("/api/plan", json=asked).json["plan"]["bake"]
    assert plain["stages"] != taught["stages"] or plain["core"] != taught["core"], "the oven as it is described"


def test_what_mixing_adds_is_put_aside(day):
    book = MixBook(Work(day.sessions, lambda: day.now))
    for number in range(3):
        book.log(f"mix-{number}", "spiral_mixer", 11.0, {})
    mixer = next(each for each in day.client.get("/api/learning").json["others"] if each["key"].startswith("mixer"))
    assert mixer["to"] == "/water" and mixer["tells"] == 3
    assert dict(book.learnt_k())["spiral_mixer"] > 8
    put(day.client, mixer["key"])
    assert book.learnt_k() == ()


def test_a_saved_plan_stands_as_it_was_and_what_is_sent_of_lessons_is_not_believed(day):
    a_day(day, "one", late_min=70, warm=0.0)
    ready = (day.now + timedelta(hours=40)).strftime("%Y-%m-%dT%H:%M")
    sent = {"formula_id": COUNTRY, "ready": ready, "culture_id": "gull", "learnt": {"pace": 9.0}}
    kept = day.client.put("/api/plans/kept", json=sent).json
    assert kept["asked"]["learnt"]["pace"] < 1
    put(day.client, "pace:gull")
    again = day.client.get("/api/plans/kept").json
    assert again["asked"]["learnt"] == kept["asked"]["learnt"]
    with day.sessions.begin() as session:
        assert session.get(PlanRow, "kept").asked["learnt"]["pace"] < 1


def test_a_bake_taken_back_or_out_of_the_log_teaches_nothing(day):
    day.mixed()
    until_cut(day)
    count = len(lessons(day.client))
    assert count
    day.now += timedelta(hours=13)
    day.press("bake_removed")
    assert lessons(day.client) == {}
    with day.sessions.begin() as session:
        assert session.query(BakeRow).one().figures["tells"] is not None
