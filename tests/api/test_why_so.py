"""The diagnosis of a bake of the log, as its page asks for it."""

import pytest

from gentle_crust.api.app import create_app
from gentle_crust.core.oven.lesson import OvenLearnt
from gentle_crust.kitchen.side_by_side import SideBySide
from gentle_crust.kitchen.why import record_of, why
from gentle_crust.kitchen.work import Work
from tests.conftest import SATURDAY


@pytest.fixture
def six_weeks_client(past_sessions):
    return create_app(past_sessions, lambda: SATURDAY).test_client()


def asked(client, key, **query):
    return client.get(f"/api/bakes/{key}/why", query_string=query)


def test_a_bake_is_diagnosed_by_its_record_and_its_sheet(six_weeks_client):
    found = asked(six_weeks_client, "six-weeks-7").get_json()
    assert "dense and tight" in [each["name"] for each in found["faults"]]
    first = found["diagnosis"]["causes"][0]
    assert first["cause"] == "bulk_under" and any("Bulk was stopped at +" in each["text"] for each in first["for_"])
    assert found["diagnosis"]["change"]["what"] == "bulk_rise"
    told = [each["p"] for each in found["diagnosis"]["causes"]]
    assert found["stands_out"] is (told[0] >= 0.3) and 1 <= found["in_front"] <= 4
    assert all(p >= 0.15 for p in told[1 : found["in_front"]])
    assert {each["key"] for each in found["others"]} == {"too_sour", "stuck", "flour_streaks", "dull_crust", "too_open"}


def test_what_the_sheet_has_no_place_for_can_be_said(six_weeks_client):
    found = asked(six_weeks_client, "six-weeks-7", more="too_sour").get_json()
    assert "too_sour" in [each["key"] for each in found["faults"]]
    assert "too_sour" not in [each["key"] for each in found["others"]]
    wrong = asked(six_weeks_client, "six-weeks-7", more="ugly")
    assert wrong.status_code == 422 and "ugly" in wrong.get_json()["detail"] + str(wrong.get_json())


def test_a_loaf_without_a_fault_and_a_bake_there_is_not(six_weeks_client):
    assert asked(six_weeks_client, "six-weeks-13").get_json()["diagnosis"] is None
    assert asked(six_weeks_client, "nowhere").status_code == 404


def test_the_record_says_what_was_measured_and_nothing_else(past_sessions):
    work = Work(past_sessions, lambda: SATURDAY)
    record = record_of(SideBySide(work).baked("six-weeks-7"))
    assert 0.3 < record.bulk_rise < record.bulk_wanted < 1
    assert 20 < record.dough_c < 30 and record.leaven == "levain" and record.folds_done == record.folds_planned
    assert record.proof_share.low < record.proof_share.likely < record.proof_share.high
    assert record.salt_percent == pytest.approx(2.2, abs=0.3) and 0.08 < record.loss_fraction < 0.2
    assert record.shaped is None and record.steam is None and 0.5 < record.leaven_vigour < 1.5
    assert record.chamber_c is None, "of its oven nothing was read"
    taught = record_of(SideBySide(work).baked("six-weeks-7"), OvenLearnt(-10.0, 4.0, 0.9, 0.05, 6))
    assert record.set_c - 30 < taught.chamber_c < record.set_c - 15, "but its loaves taught something of it"
    assert why(work, "six-weeks-13").diagnosis is None


def next_time(client, key, **query):
    return client.get(f"/api/bakes/{key}/next", query_string=query)


def test_the_change_is_planned_as_it_says(six_weeks_client):
    found = next_time(six_weeks_client, "six-weeks-7").get_json()
    why_so = asked(six_weeks_client, "six-weeks-7").get_json()["diagnosis"]["change"]
    assert found["change"] == why_so["text"] and found["asked"]["mind"] == why_so["text"]
    assert found["formula_id"] == found["asked"]["formula_id"] and not found["in_formula"]
    bulk = next(each for each in found["asked"]["method"]["stages"] if each["kind"] == "bulk")
    wanted = asked(six_weeks_client, "six-weeks-7").get_json()["diagnosis"]["change"]["to"]
    assert bulk["until"]["rise"] == pytest.approx(wanted, abs=0.01)
    planned = six_weeks_client.post("/api/plan", json=found["asked"], headers={"Origin": "http://localhost"})
    assert planned.status_code == 200, planned.get_json()
    assert planned.get_json()["plan"]["proof"]["bulk_rise"] == pytest.approx(wanted, abs=0.02)
    assert planned.get_json()["asked"]["mind"] == why_so["text"]


def test_what_was_said_beside_the_sheet_is_planned_with_it(six_weeks_client):
    more = "flour_streaks,stuck"
    change = asked(six_weeks_client, "six-weeks-7", more=more).get_json()["diagnosis"]["change"]
    assert next_time(six_weeks_client, "six-weeks-7", more=more).get_json()["change"] == change["text"]


def test_without_a_change_there_is_nothing_to_plan(six_weeks_client):
    answer = next_time(six_weeks_client, "six-weeks-13")
    assert answer.status_code == 404 and answer.get_json()["errors"][0]["remedy"]
    assert next_time(six_weeks_client, "nowhere").status_code == 404


def test_what_is_to_be_minded_goes_with_plan_and_bench(day):
    asked_for = {"formula_id": "tidewater-country", "ready": "2026-11-29T18:00", "mind": "Shape it tighter."}
    kept = day.client.put("/api/plans/mindful", json=asked_for)
    assert kept.status_code == 200, kept.json
    assert day.client.get("/api/plans/mindful").json["asked"]["mind"] == "Shape it tighter."
    day.press("bake_started", dough="mindful")
    assert day.dough("mindful")["mind"] == "Shape it tighter." and day.press("bake_started")["refused"] == []
    assert day.dough()["mind"] == ""
    long = day.client.put("/api/plans/long", json={**asked_for, "mind": "x" * 301})
    assert long.status_code in (400, 422) and long.json["errors"][0]["field"].endswith("mind")
