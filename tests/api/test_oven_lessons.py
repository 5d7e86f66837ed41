"""An oven that finished bakes teach: by the loaf's sheet, or in the Oven room; shown, put aside, counted again."""

from concurrent.futures import ThreadPoolExecutor
from datetime import timedelta

import pytest

from gentle_crust.api.app import create_app
from gentle_crust.store.models import EventRow
from tests.api.conftest import PLAN
from tests.api.test_log import COUNTRY, enter

LOAF = {"formula_id": COUNTRY, "pieces": 1, "piece_g": 850, "cold": False}
ASKED = {"loaf": LOAF, "vessel_id": "pot"}


def learnt(day):
    answer = day.client.get("/api/oven/learnt")
    assert answer.status_code == 200, answer.json
    return answer.json


def teach(day, key="t1", **seen):
    return day.client.put(f"/api/oven/learnt/{key}", json={"bake": ASKED, **seen})


def minutes(day):
    answer = day.client.post("/api/oven/bake", json=ASKED)
    assert answer.status_code == 200
    return answer.json["curve"][-1]["min"]


def test_nothing_is_learnt_before_a_loaf_was_measured(day):
    found = learnt(day)
    assert (found["bakes"], found["heat_k"], found["pace"], found["lessons"]) == (0, 0, 1, [])
    assert "as it is described" in found["said"]


def test_dark_loaves_make_the_oven_hotter_and_later_bakes_shorter(day):
    before = minutes(day)
    for turn in range(5):
        assert teach(day, f"t{turn}", colour=90, core_c=99).status_code == 200
    found = learnt(day)
    assert found["bakes"] == 5 and found["heat_k"] > 5 and found["heat_low_k"] < found["heat_k"] < found["heat_high_k"]
    assert "hotter" in found["said"] and "5 bakes" in found["said"]
    told = {each["sign"]: each for each in found["lessons"][0]["told"]}
    assert told["colour"]["seen"] == 90 > told["colour"]["foretold"]
    assert minutes(day) < before


def test_a_retry_teaches_once(day):
    for _ in range(3):
        teach(day, colour=80)
    assert learnt(day)["bakes"] == 1


def test_a_lesson_is_put_aside_with_a_tap_and_counts_again(day):
    before = minutes(day)
    for turn in range(4):
        teach(day, f"t{turn}", colour=10, out_g=800)
    after = minutes(day)
    for turn in range(4):
        body = {"lesson": f"t{turn}", "aside": True}
        assert day.client.put(f"/api/oven/learnt/a{turn}/aside", json=body).status_code == 200
    found = learnt(day)
    assert found["bakes"] == 0 and [each["aside"] for each in found["lessons"]] == [True] * 4
    assert minutes(day) == before != after
    day.client.put("/api/oven/learnt/b0/aside", json={"lesson": "t0", "aside": False})
    assert learnt(day)["bakes"] == 1
    gone = day.client.put("/api/oven/learnt/b1/aside", json={"lesson": "never", "aside": True})
    assert gone.status_code == 404 and gone.json["errors"][0]["remedy"]


@pytest.mark.parametrize(
    ("seen", "field"),
    [({}, "seen"), ({"core_c": 150}, "core_c"), ({"colour": 101}, "colour"), ({"out_g": 5000}, "out_g"),
     ({"colour": 50, "baked_min": 0}, "baked_min")],
)  # fmt: skip
def test_what_cannot_be_is_refused_and_teaches_nothing(day, seen, field):
    refused = teach(day, **seen)
    assert refused.status_code == 422 and refused.json["errors"][0]["field"] == field
    assert learnt(day)["lessons"] == []


def test_a_bake_that_took_longer_than_drawn_is_held_against_that_long_a_bake(day):
    short, long = (teach(day, f"t{at}", colour=60, baked_min=at).json["lessons"][0]["told"][0] for at in (35, 60))
    assert long["foretold"] > short["foretold"] + 10


def test_the_sheet_of_a_loaf_teaches_its_oven_and_taken_back_it_does_not(cut):
    cut.press("bake_loaf", {"top_colour": 85, "out_g": 700}, key="sheet")
    found = learnt(cut)
    assert found["bakes"] == 1 and found["lessons"][0]["bake"] == PLAN
    assert {each["sign"] for each in found["lessons"][0]["told"]} == {"colour", "loss"}
    cut.press("bake_loaf", {"top_colour": 20, "out_g": 700}, key="again")
    assert learnt(cut)["bakes"] == 1, "the same loaf judged once more teaches once"
    cut.press("bake_withdrawn", {"event": "again"})
    (left,) = learnt(cut)["lessons"]
    assert {each["sign"]: each["seen"] for each in left["told"]}["colour"] == 85, "the first sheet stands again"
    cut.press("bake_withdrawn", {"event": "sheet"})
    assert learnt(cut)["lessons"] == []


def test_a_sheet_without_colour_or_weight_and_one_of_a_later_day_teach_nothing(cut):
    cut.press("bake_loaf", {"liked": 4, "openness": "open"})
    cut.press("bake_loaf", {"top_colour": 85, "day": 2})
    assert learnt(cut)["lessons"] == []


def test_a_bake_entered_afterwards_teaches_by_what_was_told_of_it(day):
    enter(day, "old", "2026-11-20T10:00", "2026-11-20T18:30", vessel_id="pot", baked_min=45)
    day.press("bake_loaf", {"top_colour": 95}, dough="old")
    assert learnt(day)["bakes"] == 1


def test_another_oven_has_its_own_lessons(day):
    teach(day, colour=95)
    body = day.client.get("/api/kitchen").json["settings"]
    day.client.put("/api/kitchen", json={**body, "oven": {**body["oven"], "name": "The other one"}})
    assert learnt(day)["lessons"] == [] and learnt(day)["bakes"] == 0


def test_plans_count_on_what_was_learnt(day):
    asked = {"formula_id": COUNTRY, "style": "room_steady", "vessel_id": "pot"}
    before = day.client.post("/api/plan", json=asked).json["plan"]["bake"]
    for turn in range(6):
        teach(day, f"t{turn}", colour=100, core_c=99)
    after = day.client.post("/api/plan", json=asked).json["plan"]["bake"]
    assert sum(each["minutes"] for each in after["stages"]) < sum(each["minutes"] for each in before["stages"])


def test_a_lesson_that_cannot_be_read_costs_only_itself(day):
    teach(day, "t1", colour=90)
    teach(day, "t2", colour=90)
    with day.sessions() as session:
        session.get_one(EventRow, "t1").body = {"lesson": 3}
        session.commit()
    assert learnt(day)["bakes"] == 1 and minutes(day) > 0


def test_lessons_and_what_was_put_aside_outlive_a_restart(day):
    for turn in range(3):
        teach(day, f"t{turn}", colour=90, core_c=98)
    day.client.put("/api/oven/learnt/a1/aside", json={"lesson": "t1", "aside": True})
    before = learnt(day)
    again = create_app(day.sessions, lambda: day.now).test_client()
    assert again.get("/api/oven/learnt").json == before and before["bakes"] == 2


def test_only_the_latest_twelve_bakes_count_and_the_older_stay_on_the_list(day):
    for turn in range(15):
        day.now += timedelta(minutes=1)
        teach(day, f"t{turn}", colour=80)
    found = learnt(day)
    assert found["bakes"] == 12 and len(found["lessons"]) == 15
    assert [each["id"] for each in found["lessons"] if not each["counts"]] == ["t2", "t1", "t0"]


def test_both_hands_at_once_teach_each_lesson_once(day):
    with ThreadPoolExecutor(8) as pool:
        found = list(pool.map(lambda turn: teach(day, f"t{turn % 4}", colour=85).status_code, range(16)))
    assert set(found) <= {200, 409} and learnt(day)["bakes"] == 4


@pytest.fixture
def hurried(day):
    """Everything was pressed at the end, one thing right after the other."""
    day.mixed()
    day.now += timedelta(hours=12)
    for _ in range(60):
        found = day.dough()
        if found["over"]:
            break
        day.now += timedelta(seconds=5)
        day.done(found["next"])
    return day


def test_a_bake_of_which_load_and_out_were_pressed_at_once_is_judged_and_teaches_nothing(hurried):
    answer = hurried.press("bake_loaf", {"top_colour": 85, "out_g": 700}, key="sheet")
    assert answer["taken"] == ["sheet"] and answer["refused"] == []
    assert learnt(hurried)["lessons"] == []


@pytest.mark.parametrize("baked_min", [3, 300])
def test_a_time_that_is_far_from_the_bake_teaches_nothing(day, baked_min):
    refused = teach(day, colour=60, baked_min=baked_min)
    assert refused.status_code in (409, 422) and refused.json["errors"][0]["remedy"]
    assert learnt(day)["lessons"] == []
