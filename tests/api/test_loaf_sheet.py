"""Loaves judged, over the API: kept with their bake, corrected by another, taken back, refused by name."""

from datetime import timedelta

import pytest

from gentle_crust.api.app import create_app
from tests.api.conftest import PLAN, until_cut

MIN = timedelta(minutes=1)


def judge(day, body, **more):
    return day.press("bake_loaf", body, **more)


def record(day, key=PLAN):
    return day.client.get(f"/api/bakes/{key}").json["bake"]


def loaves(day):
    return record(day)["loaves"]


def test_a_sheet_is_kept_with_its_bake_and_measured(baked):
    shape = record(baked)
    sheet = {"height_mm": 95, "width_mm": 215, "length_mm": 250, "out_g": 0.86 * shape["each_g"], "scores": "ear",
             "holes": ["everywhere"], "liked": 4, "again": True, "top_colour": 62}  # fmt: skip
    assert judge(baked, sheet, key="sheet-1")["taken"] == ["sheet-1"]
    (found,) = loaves(baked)
    assert found["stands"] and {name: found["sheet"][name] for name in sheet} == sheet
    assert found["measured"]["loss"] == pytest.approx(0.14, abs=0.001)
    assert found["measured"]["volume_ml"] > 500 and found["sheet"]["openness"] is None


def test_another_sheet_of_the_same_loaf_stands_and_the_first_stays_on_record(baked):
    judge(baked, {"liked": 2})
    baked.now += 10 * MIN
    judge(baked, {"liked": 4})
    baked.now += timedelta(days=2)
    judge(baked, {"liked": 3, "day": 2, "keeps": "dry"})
    assert [(each["sheet"]["liked"], each["stands"]) for each in loaves(baked)] == [
        (2, False), (4, True), (3, True),
    ]  # fmt: skip


def test_a_sheet_is_taken_back_like_any_press(baked):
    judge(baked, {"liked": 2}, key="hasty")
    assert baked.press("bake_withdrawn", {"event": "hasty"})["taken"] and loaves(baked) == []


def test_a_press_that_arrives_twice_is_one_sheet(baked):
    judge(baked, {"liked": 2}, key="once")
    judge(baked, {"liked": 2}, key="once")
    assert len(loaves(baked)) == 1


def test_a_sheet_outlives_the_bench_and_a_restart(baked):
    judge(baked, {"openness": "open", "holes": ["under_crust", "dense_base"]})
    baked.now += timedelta(days=40)
    assert PLAN not in [each["id"] for each in baked.bench()["doughs"]]
    judge(baked, {"note": "Still the best of the month."})
    baked.client = create_app(baked.sessions, lambda: baked.now).test_client()
    assert [each["sheet"]["note"] for each in loaves(baked)] == ["", "Still the best of the month."]
    assert loaves(baked)[0]["sheet"]["holes"] == ["under_crust", "dense_base"]


def test_parts_have_sheets_of_their_own(day):
    asked = {"formula_id": "tidewater-country", "pieces": 4, "later_pieces": 2, "style": "cold_shaped"}
    plan = day.client.post("/api/plan", json=asked).json
    assert day.client.put("/api/plans/two", json=plan["asked"]).status_code == 200
    day.press("bake_started", dough="two")
    until_cut(day, "two")
    first, later = record(day, "two")["parts"]
    judge(day, {"part": first, "liked": 5}, dough="two")
    judge(day, {"part": later, "liked": 2, "piece": "A"}, dough="two")
    judge(day, {"part": later, "liked": 3, "piece": "B"}, dough="two")
    found = record(day, "two")["loaves"]
    assert [(each["sheet"]["part"], each["sheet"]["piece"], each["stands"]) for each in found] == [
        (first, "", True), (later, "A", True), (later, "B", True),
    ]  # fmt: skip


@pytest.mark.parametrize(
    ("body", "says"),
    [
        ({}, "Nothing was said"),
        ({"liked": 9}, "between 1 and 5"),
        ({"openness": "huge"}, "openness"),
        ({"holes": ["everywhere", "tunnels"]}, "cannot both be so"),
        ({"part": "evening", "liked": 3}, "no part 'evening'"),
        ({"flavor": 3}, "no field 'flavor'"),
        ({"note": "x" * 2001}, "2,000 letters"),
    ],
)
def test_what_cannot_be_is_refused_in_words_and_nothing_is_kept(baked, body, says):
    answer = judge(baked, body)
    assert says in " ".join(f"{each['field']} {each['sentence']}" for each in answer["refused"])
    assert loaves(baked) == []


def test_parts_that_were_parted_by_hand_have_sheets_too(day):
    day.mixed().at(15, 0)
    day.press("bake_edited", {"code": "split", "until": "2026-11-29T18:00", "pieces": 1})
    until_cut(day)
    assert record(day)["parts"] == ["first", "later"]
    assert judge(day, {"part": "later", "liked": 3})["refused"] == []
    assert "no part 'evening'" in judge(day, {"part": "evening", "liked": 3})["refused"][0]["sentence"]


def test_what_the_sheet_asks_with_is_the_kitchens_own(baked):
    found = baked.client.get(f"/api/bakes/{PLAN}").json
    assert [chip["shade"] for chip in found["chips"]] == ["pale", "light", "golden", "deep", "dark", "very dark"]
    assert found["bake"]["lengths"] == ["height_mm", "width_mm"] and found["bake"]["days"] == 0
    baked.now = baked.now.replace(hour=23, minute=59)
    assert record(baked)["days"] == 0
    baked.now += 2 * MIN
    assert record(baked)["days"] == 1
    judge(baked, {"top_colour": 58, "base_colour": 8})
    assert [(each["top"], each["base"]) for each in loaves(baked)] == [("deep", "pale")]


def test_a_dough_that_is_not_baked_has_no_loaf(day):
    day.mixed()
    assert "come out of the oven yet" in judge(day, {"liked": 3})["refused"][0]["sentence"]
