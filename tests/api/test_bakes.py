"""A finished bake leaves the bench, is not offered again, and is found with all that was done and said of it."""

import io
from datetime import UTC, datetime, timedelta

import pytest
from PIL import Image

from tests.api.conftest import PLAN

MIN = timedelta(minutes=1)


def baked(day):
    """A bake from its levain to its cut, with a reading, a verdict, a note and a photo; finished."""
    day.mixed().at(15, 0)
    day.press("reading", {"measure": "percent", "value": 20})
    day.press("bake_note", {"text": "Slack, but lively."})
    picture = io.BytesIO()
    Image.new("RGB", (80, 60), (200, 160, 90)).save(picture, "JPEG")
    day.client.put(f"/api/bench/{PLAN}/photos/bulk", data=picture.getvalue(), headers={"Taken-At": day.now.isoformat()})
    now = day.now
    for _ in range(30):
        dough = day.dough()
        if dough["over"]:
            break
        step = next(each for each in dough["steps"] if each["key"] == dough["next"])
        now = max(now, datetime.fromisoformat(step["at"])) + step["minutes"] * MIN
        day.now = now
        if step["key"] == "load-1":
            day.press("bake_judged", {"cues": {"poke": "slow_partial"}})
        if step["key"] == "fold-3":
            day.press("bake_step", {"key": "fold-3", "skipped": True})
            continue
        day.done(step["key"])
    day.press("bake_finished")
    return day


@pytest.fixture
def done(day):
    return baked(day)


def record(day):
    return day.client.get(f"/api/bakes/{PLAN}").json["bake"]


def test_a_finished_bake_leaves_the_bench_and_stands_in_the_list(done):
    assert done.bench()["doughs"] == []
    (line,) = done.client.get("/api/bakes").json["bakes"]
    assert line["id"] == PLAN and line["state"] == "baked" and line["pieces"] == 2
    assert line["notes"] == 1 and line["photos"] == 1 and line["how"] == ""
    assert datetime.fromisoformat(line["out"]).astimezone(UTC).day == 29


def test_its_record_tells_what_was_done_and_when_it_was_planned(done):
    found = record(done)
    steps = {step["key"]: step for step in found["steps"]}
    assert steps["fold-3"]["skipped"] and not steps["load-1"]["skipped"]
    assert steps["mix-1"]["title"] == "Mix" and steps["mix-1"]["planned"]
    ats = [step["at"] for step in found["steps"]]
    assert ats == sorted(ats) and len(found["steps"]) == 19
    assert found["readings"][0]["kind"] == "rise_eye" and found["readings"][0]["value"] == pytest.approx(0.2)
    (verdict,) = found["verdicts"]
    assert (
        verdict["stage"] == "final_proof"
        and verdict["verdict"]
        and verdict["do"].endswith(".")
        and "{" not in verdict["do"]
    )
    assert [note["text"] for note in found["notes"]] == ["Slack, but lively."]
    (photo,) = found["photos"]
    assert (photo["width"], photo["height"]) == (80, 60)
    assert done.client.get(f"/api/photos/{photo['id']}").status_code == 200
    assert found["unreadable"] == []


def test_it_is_not_offered_again_and_starting_it_is_refused_in_words(done):
    (line,) = (plan for plan in done.client.get("/api/plans").json["plans"] if plan["id"] == PLAN)
    assert line["state"] == "baked" and line["next_step"] is None
    assert done.client.get(f"/api/plans/{PLAN}").json["baked"] is True
    due = done.client.get("/api/next").json["next"]
    assert due is None or due["whose"] != PLAN
    found = done.press("bake_started")
    assert found["taken"] == [] and "baked already" in found["refused"][0]["sentence"]
    assert "again" in found["refused"][0]["remedy"]


def test_outcomes_and_notes_sent_later_are_kept_and_shown(done):
    done.now += timedelta(days=2)
    assert done.press("bake_outcome", {"how": "over", "crumb": "tight", "liked": 3})["taken"]
    assert done.press("bake_note", {"text": "Stale on the second day."})["taken"]
    assert done.bench()["doughs"] == []
    found = record(done)
    assert found["outcomes"][0]["how"] == "over"
    assert found["outcomes"][0]["more"] == {"crumb": "tight", "liked": 3}
    assert [note["text"] for note in found["notes"]][-1] == "Stale on the second day."
    assert done.client.get("/api/bakes").json["bakes"][0]["how"] == "over"
    assert done.client.get("/api/bench/score").json["score"]["judged"] == 1


def test_a_note_taken_back_later_no_longer_shows(done):
    done.press("bake_note", {"text": "Wrong loaf."}, key="wrong")
    done.press("bake_withdrawn", {"event": "wrong"})
    assert "Wrong loaf." not in [note["text"] for note in record(done)["notes"]]


def test_what_was_stopped_and_what_is_still_on_the_bench_are_told_apart(day):
    day.mixed()
    (line,) = day.client.get("/api/bakes").json["bakes"]
    assert line["state"] == "on_bench" and line["out"] is None
    plans = {plan["id"]: plan for plan in day.client.get("/api/plans").json["plans"]}
    assert plans[PLAN]["state"] == "on_bench" and not day.client.get(f"/api/plans/{PLAN}").json["baked"]
    day.at(16, 0).press("bake_stopped")
    (line,) = day.client.get("/api/bakes").json["bakes"]
    assert line["state"] == "stopped" and day.bench()["doughs"] == []


def state_of(day):
    """How the list of plans has it, and how the plan itself does."""
    plans = {plan["id"]: plan["state"] for plan in day.client.get("/api/plans").json["plans"]}
    return plans[PLAN], day.client.get(f"/api/plans/{PLAN}").json["baked"]


def test_a_bake_taken_off_by_mistake_is_back_on_the_bench_wherever_it_is_looked_for(day):
    day.mixed().at(16, 0).press("bake_stopped", key="off")
    assert state_of(day) == ("baked", True)
    assert day.press("bake_withdrawn", {"event": "off"})["taken"]
    assert len(day.bench()["doughs"]) == 1
    assert state_of(day) == ("on_bench", False)
    assert day.client.get("/api/bakes").json["bakes"][0]["state"] == "on_bench"


def test_a_cut_long_ago_that_is_taken_back_brings_its_plan_back_too(day):
    baked(day)
    day.press("bake_withdrawn", {"event": f"p{day.count}"})
    cut = next(each for each in day.client.get(f"/api/bench/{PLAN}/record").json["events"]
               if each["body"].get("key") == "cut-1")  # fmt: skip
    day.now += timedelta(hours=13)
    assert state_of(day) == ("baked", True)
    assert day.press("bake_withdrawn", {"event": cut["id"]})["taken"]
    assert state_of(day) == ("on_bench", False) and len(day.bench()["doughs"]) == 1


def test_a_start_that_is_taken_back_leaves_a_plan_and_no_bake(day):
    day.press("bake_started", key="begun")
    assert state_of(day) == ("on_bench", False)
    assert day.press("bake_withdrawn", {"event": "begun"})["taken"]
    assert state_of(day) == ("planned", False)
    assert day.client.get("/api/bakes").json["bakes"] == []
    plan = next(each for each in day.client.get("/api/plans").json["plans"] if each["id"] == PLAN)
    assert plan["next_step"] is not None


@pytest.mark.parametrize(("minutes", "late"), [(4, 0), (-10, 0), (11, 11), (75, 75), (-25, -25)])
def test_a_step_within_ten_minutes_of_its_hour_was_done_as_planned(day, minutes, late):
    day.mixed()
    steps = day.client.get(f"/api/plans/{PLAN}").json["plan"]["steps"]
    fold = next(step for step in steps if step["kind"] == "fold")
    day.now = datetime.fromisoformat(fold["at"]) + (fold["minutes"] + minutes) * MIN
    assert day.done("fold-1")["taken"]
    assert {each["key"]: each for each in record(day)["steps"]}["fold-1"]["late_min"] == late


def test_a_step_left_out_is_neither_late_nor_early(day):
    day.mixed()
    day.now += timedelta(hours=2)
    day.press("bake_step", {"key": "fold-1", "skipped": True})
    day.press("bake_step", {"key": "extra_fold-a"})
    steps = {each["key"]: each for each in record(day)["steps"]}
    assert steps["fold-1"]["late_min"] is None and steps["fold-1"]["planned"]
    assert steps["extra_fold-a"]["late_min"] is None and steps["extra_fold-a"]["planned"] is None


def test_a_loaf_that_was_cut_and_forgotten_goes_to_the_list_by_itself(day):
    baked(day)
    day.press("bake_withdrawn", {"event": f"p{day.count}"})
    assert day.client.get("/api/bakes").json["bakes"][0]["state"] == "on_bench"
    day.now += timedelta(hours=13)
    assert day.bench()["doughs"] == []
    assert day.client.get("/api/bakes").json["bakes"][0]["state"] == "baked"
    assert day.client.get(f"/api/plans/{PLAN}").json["baked"] is True
    assert day.press("bake_started")["refused"]


def test_a_bake_survives_its_plan_being_put_away_and_a_restart(done):
    done.client.delete(f"/api/plans/{PLAN}")
    assert [line["id"] for line in done.client.get("/api/bakes").json["bakes"]] == [PLAN]
    assert record(done)["steps"]


def test_there_may_be_none_and_an_unknown_one_is_said_to_be(day):
    assert day.client.get("/api/bakes").json["bakes"] == []
    found = day.client.get("/api/bakes/never")
    assert found.status_code == 404 and found.json["errors"][0]["remedy"]
    assert day.client.get(f"/api/bakes/{PLAN}").status_code == 404


def test_plans_that_are_baked_can_be_left_out_of_the_list_and_those_on_the_bench_stay(done):
    done.client.put("/api/plans/another", json={"formula_id": "tidewater-country", "ready": "2026-11-30T09:00"})
    everything = {each["id"] for each in done.client.get("/api/plans").json["plans"]}
    waiting = {each["id"] for each in done.client.get("/api/plans?baked=false").json["plans"]}
    assert everything == {PLAN, "another"} and waiting == {"another"}
    done.press("bake_started", dough="another")
    assert {each["id"] for each in done.client.get("/api/plans?baked=false").json["plans"]} == {"another"}
