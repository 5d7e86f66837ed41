"""The command line of courses: questions in, answers out, exit statuses, lists of codes and styles."""

import json
import subprocess
import sys
from typing import Any

from tests.courses import courses


def command(*words: str, text: str = "") -> tuple[int, Any, str]:
    """Exit status, what was printed as JSON, and what was said on the other channel."""
    ran = subprocess.run(
        [sys.executable, "-m", "gentle_crust.cli", *words], input=text, capture_output=True, text=True, timeout=60,
        check=False,
    )  # fmt: skip
    return ran.returncode, json.loads(ran.stdout) if ran.stdout else None, ran.stderr


def test_a_plan_is_asked_for_and_answered_with_every_key() -> None:
    status, found, said = command("plan", text=json.dumps(courses()["14 stones and towels"]))
    assert (status, said) == (0, "")
    assert set(found) == {"begins", "stages", "steps", "out", "problems", "weigh", "bake"}
    assert set(found["bake"][""]) == {"vessel", "preheat", "steam", "stages", "done_min", "end"}
    weighed = command("formula", text=json.dumps({"formula": courses()["14 stones and towels"]["formula"]}))[1]
    assert found["weigh"] == weighed["weighed"]["stages"]
    baked = {key: found["bake"][""][key] for key in ("vessel", "preheat", "steam")}
    stages = [
        {key: each[key] for key in ("minutes", "setpoint_c", "covered", "fan")} for each in found["bake"][""]["stages"]
    ]
    again = command("bake", text=json.dumps({"loaf": {"dough_g": 850}, "stages": stages, **baked}))
    assert again[0] == 0, "its bake is a question of the other command"


def test_a_malformed_question_is_exit_two_and_a_wish_that_cannot_be_met_is_not() -> None:
    status, found, said = command("plan", text=json.dumps({**courses()["6 yeasted boule"], "colour": "blue"}))
    assert (status, found) == (2, None) and "colour" in said
    status, _, said = command("plan", text="{")
    assert status == 2 and json.loads(said)["errors"]
    late = {**courses()["1 cold shaped"], "ready": "2026-11-28T09:00:00+00:00"}
    status, found, _ = command("plan", text=json.dumps(late))
    assert status == 0 and found["problems"][0]["code"] == "past"
    assert set(found["problems"][0]) >= {"code", "stage", "part", "text", "mend"}


def test_codes_and_styles_are_listed_and_no_answer_holds_another() -> None:
    _, codes, _ = command("plan", "--codes")
    assert command("styles", "--codes")[1] == codes
    _, styles, _ = command("styles")
    assert set(styles[0]) == {"id", "name", "fits", "method"}
    _, found, _ = command("plan", text=json.dumps(courses()["16 wood fire"]))
    assert {each["step"] for each in found["steps"]} <= set(codes["steps"])
    assert {code for each in found["steps"] for code in each["cautions"]} <= set(codes["cautions"])
    assert command("plan", "--schema")[1]["properties"]["method"]
