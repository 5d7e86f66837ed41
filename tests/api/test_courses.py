"""Courses through the API: planned, refused in words, and read in the baker's own units."""

import json
from typing import Any

import pytest

from tests.courses import BAKE, COUNTRY, DIVIDE, MIX, asked, courses


def test_a_course_is_planned_and_nothing_is_kept(client: Any) -> None:
    before = client.get("/api/plans").get_json()
    found = client.post("/api/courses", json=courses()["15 hot lid"])
    assert found.status_code == 200
    plan = found.get_json()
    assert plan["out"][""] == "2026-11-29T12:00:00+00:00" and not plan["problems"]
    assert plan["stages"][1]["dough_c"]["from"] == 25
    assert client.get("/api/plans").get_json() == before


def test_a_course_that_cannot_be_is_refused_naming_stage_and_remedy(client: Any) -> None:
    found = client.post("/api/courses", json=asked(COUNTRY, [DIVIDE, MIX, BAKE]))
    assert found.status_code == 422
    error = found.get_json()["errors"][0]
    assert "stage 1 (divide)" in error["sentence"] and error["remedy"]
    assert error["field"] == "method.stages.0.kind"


def test_two_hundred_stages_and_a_body_that_is_none_are_refused(client: Any) -> None:
    many = asked(COUNTRY, [MIX, *[{"kind": "rest"}] * 200, BAKE])
    assert client.post("/api/courses", json=many).status_code == 422
    assert client.post("/api/courses", data="{", content_type="application/json").status_code in (400, 422)
    assert client.post("/api/courses", json={"formula": COUNTRY}).status_code == 422


def test_steps_are_said_in_the_bakers_own_units(client: Any) -> None:
    kitchen = client.get("/api/kitchen").get_json()["settings"]
    saved = client.put("/api/kitchen", json={**kitchen, "fahrenheit": True, "ounces": True})
    assert saved.status_code == 200, saved.get_json()
    plan = client.post("/api/courses", json=courses()["15 hot lid"]).get_json()
    words = json.dumps(plan["steps"], ensure_ascii=False)
    assert "°F" in words and "oz" in words and "°C" not in words


def test_styles_are_listed_with_their_methods(client: Any) -> None:
    styles = client.get("/api/styles").get_json()["styles"]
    assert {"cold_balls", "tin_once"} <= {each["id"] for each in styles}
    for style in styles:
        assert [each["kind"] for each in style["method"]["stages"]].count("bake") == 1


def test_other_plans_are_seen_and_a_course_is_planned_around_them(client: Any) -> None:
    """The oven that a saved plan has is told at once, with a change that was tried; holds give way to it."""
    saved = client.get("/api/plans").get_json()["plans"][0]
    steps = client.get(f"/api/plans/{saved['id']}").get_json()["plan"]["steps"]
    load = next(each["at"] for each in steps if each["kind"] == "load")
    question = {**courses()["6 yeasted boule"], "ready": load}
    found = client.post("/api/courses", json=question).get_json()["problems"]
    assert found[0]["code"] == "oven_taken" and saved["formula_name"] in found[0]["text"]
    assert found[0]["stage"] == "bake" and found[0]["mend"]
    after = client.post("/api/courses", json={**question, **found[0]["mend"]["change"]}).get_json()
    assert "oven_taken" not in [each["code"] for each in after["problems"]]


def test_what_stands_in_the_fridge_is_seen_by_the_next_plan(client: Any) -> None:
    """Room that a saved plan has is not there for another; once that is put away, it is."""
    saved = client.get("/api/plans").get_json()["plans"][0]
    wished = {"formula_id": "tidewater-country", "style": "cold_shaped", "ready": "2026-11-29T09:30"}

    def problems(litres: float | None) -> list[str]:
        kitchen = client.get("/api/kitchen").get_json()["settings"]
        kept = client.put("/api/kitchen", json={**kitchen, "fridge_l": litres})
        assert kept.status_code == 200 and kept.get_json()["settings"]["fridge_l"] == litres
        return [each["code"] for each in client.post("/api/plan", json=wished).get_json()["plan"]["problems"]]

    assert "fridge_full" not in problems(None)
    assert "fridge_full" not in problems(20)
    assert "fridge_full" in problems(5)
    assert client.delete(f"/api/plans/{saved['id']}").status_code == 200
    assert "fridge_full" not in problems(5)
    kitchen = client.get("/api/kitchen").get_json()["settings"]
    refused = client.put("/api/kitchen", json={**kitchen, "fridge_l": 0})
    assert refused.status_code == 422 and refused.get_json()["errors"][0]["field"] == "fridge_l"
    assert "The room in the fridge" in json.dumps(refused.get_json()["errors"][0])


@pytest.mark.parametrize("kind", ["", "¢", "sawdust"])
def test_a_flour_that_no_table_knows_is_refused_by_its_name(client, kind):
    question = courses()["6 yeasted boule"]
    flours = [{"kind": kind, "percent": 100}]
    answer = client.post("/api/courses", json={**question, "formula": {**question["formula"], "flours": flours}})
    assert answer.status_code == 422, answer.json
    assert answer.json["errors"][0]["field"].endswith("flours.0.kind") and answer.json["errors"][0]["sentence"]
