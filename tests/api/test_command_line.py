"""The console command: the contract that outside tools lean on, and starting and stopping for real."""

import io
import json
import subprocess
import sys
import urllib.request
from contextlib import redirect_stderr, redirect_stdout
from types import SimpleNamespace

import pytest
from live import serving

from gentle_crust.cli import main

DOUGH = {"flours": [{"kind": "strong_white", "g": 900}], "water_g": 630, "salt_g": 18, "levain_g": 180}


def ask(command, question, *arguments):
    """The command run here and now: its answer, what it says, and its status."""
    text = question if isinstance(question, str) else json.dumps(question)
    out, said, before = io.StringIO(), io.StringIO(), sys.stdin
    sys.stdin = io.StringIO(text)
    try:
        with redirect_stdout(out), redirect_stderr(said):
            status = main([command, *arguments])
    except SystemExit as ended:
        status = ended.code or 0
    finally:
        sys.stdin = before
    return SimpleNamespace(stdout=out.getvalue(), stderr=said.getvalue(), returncode=status)


def test_the_command_itself_reads_and_writes_json():
    called = [sys.executable, "-m", "gentle_crust.cli", "forecast"]
    question = {"dough": DOUGH, "start_c": 24, "path": [{"hours": 6, "ambient_c": 24}], "rise_targets": [0.5]}
    found = subprocess.run(called, input=json.dumps(question), capture_output=True, text=True)
    assert found.returncode == 0 and json.loads(found.stdout) == json.loads(ask("forecast", question).stdout)


def test_forecast_of_the_contract():
    question = {"dough": DOUGH, "start_c": 24, "path": [{"hours": 12, "ambient_c": 24}], "rise_targets": [0.75, 4.5]}
    answer = json.loads(ask("forecast", question).stdout)
    reached, never = answer["targets"]
    assert 5 <= reached["hours"]["likely"] <= 6.3
    assert reached["hours"]["low"] < reached["hours"]["likely"] < reached["hours"]["high"]
    assert never["hours"] == {"low": None, "likely": None, "high": None}
    assert set(answer["curve"][0]) == {"hours", "dough_c", "rise", "rise_low", "rise_high", "ph"}
    assert len(answer["curve"]) == 73


def test_water_of_the_contract_and_its_reverse():
    question = {"dough": DOUGH, "flour_c": 20, "room_c": 21, "levain_c": 22, "target_dough_c": 25, "tap_c": 14}
    answer = json.loads(ask("water", question).stdout)
    assert set(answer) >= {
        "water_c", "tap_g", "kettle_g", "ice_g", "dough_c", "factor_method_water_c", "warnings"
    }  # fmt: skip
    poured = {
        "dough": DOUGH,
        "flour_c": 20,
        "room_c": 21,
        "levain_c": 22,
        "waters": [{"g": 630, "c": answer["water_c"]}],
    }
    assert json.loads(ask("water", poured).stdout)["dough_c"] == pytest.approx(25, abs=0.01)


@pytest.mark.parametrize(
    ("command", "question", "field"),
    [
        ("forecast", {"dough": DOUGH | {"butterfly_g": 1}, "path": []}, "dough.butterfly_g"),
        ("forecast", {"dough": DOUGH, "path": []}, "path"),
        ("forecast", {"dough": DOUGH, "path": [{"hours": 4, "ambient_c": 24, "container": "hat"}]}, "container"),
        ("forecast", {"dough": DOUGH, "start_c": 60, "path": [{"hours": 4, "ambient_c": 24}]}, "start_c"),
        ("forecast", "{", "body"),
        ("water", {"dough": DOUGH, "mixing": "wishing"}, "mixing"),
        ("water", {"dough": DOUGH, "waters": [{"g": 1, "c": 20}]}, "waters"),
        ("water", {"dough": DOUGH, "target_dough_c": 25, "waters": [{"g": 630, "c": 20}]}, "body"),
    ],
)
def test_bad_questions_exit_with_2_and_a_problem(command, question, field, monkeypatch, capsys):
    monkeypatch.setattr("sys.stdin", io.StringIO(question if isinstance(question, str) else json.dumps(question)))
    assert main([command]) == 2
    printed = capsys.readouterr()
    assert printed.out == ""
    assert json.loads(printed.err)["errors"][0]["field"] == field


def test_schemas_and_help_are_printed():
    for command in ("forecast", "water"):
        assert json.loads(ask(command, "", "--schema").stdout)["type"] == "object"
    assert "made-up bakery" in ask("--help", "").stdout


def test_public_address_without_passcode_is_refused(tmp_path):
    found = ask("serve", "", "--host", "0.0.0.0", "--port", "0", "--data", str(tmp_path))  # noqa: S104
    assert found.returncode == 2 and "passcode" in found.stderr


def test_saved_plan_survives_a_real_restart(tmp_path):
    def call(address, path, method="GET", body=None):
        data = None if body is None else json.dumps(body).encode()
        request = urllib.request.Request(address + path, data, {"Content-Type": "application/json"}, method=method)
        return json.load(urllib.request.urlopen(request))

    with serving("serve", folder=tmp_path) as address:
        saved = call(address, "/api/plans/k1", "PUT", {"formula_id": "lamplighters-tin"})
    with serving("serve", folder=tmp_path) as address:
        assert call(address, "/api/plans/k1") == saved


def test_judge_of_the_contract():
    question = {
        "stage": "final_proof", "dough_c": 22, "forecast_share_of_greatest": {"low": 0.6, "likely": 0.7, "high": 0.8},
        "vessel": "lidded_cast_iron", "cues": {"poke": "slow_partial", "jiggle": "some"},
    }  # fmt: skip
    answer = json.loads(ask("judge", question).stdout)
    assert set(answer["states"]) == {"early", "nearly", "ready", "late", "over"}
    assert sum(answer["states"].values()) == pytest.approx(1)
    assert answer["verdict"] == "nearly" and {"cue", "weight"} <= set(answer["why"][0])
    assert isinstance(answer["ask_next"], str) and {"do", "within_min"} <= set(answer["action"])
    refused = ask("judge", question | {"cues": {"poke": "soft"}})
    assert refused.returncode == 2 and json.loads(refused.stderr)["errors"][0]["field"] == "cues.poke"
    assert ask("judge", question | {"mood": "good"}).returncode == 2
    listed = json.loads(ask("judge", None, "--cues").stdout)
    assert {"springs_back", "slow_partial", "stays"} == {
        value["value"] for cue in listed["final_proof"] if cue["cue"] == "poke" for value in cue["values"]
    }
    assert set(listed) == {"gluten", "culture", "preferment", "bulk", "final_proof", "baked"}


def test_weigh_and_formula_of_the_contract():
    lines = ["3 1/2 cups bread flour", "1 tbsp table salt", "300 ml water", "stir well"]
    answer = json.loads(ask("weigh", {"lines": lines}).stdout)
    assert {"items", "percent", "warnings", "unread"} == set(answer)
    assert answer["percent"]["salt"]["likely"] == pytest.approx(4.1, abs=0.1)
    assert answer["unread"] == ["stir well"]
    formula = {"name": "Plain", "flours": [{"kind": "strong_white", "percent": 100}], "hydration_percent": 70,
               "salt_percent": 2, "shape": "boule", "yeast_percent": 0.5}  # fmt: skip
    answer = json.loads(ask("formula", {"formula": formula, "pieces": 10, "scaling_weight_g": 600}).stdout)
    assert answer["weighed"]["dough_g"] == pytest.approx(6000 / 0.99)
    assert ask("formula", {"formula": formula | {"salt_percent": 9}}).returncode == 2


def test_a_recipe_read_whole_can_be_weighed_and_planned():
    text = "Levain\n20 g starter\n60 g bread flour\n60 g water\nDough\n500 g bread flour\n330 g water\n2 tsp salt\n" + (
        "all of the levain\nLeave the levain 5 hours. Mix. Bulk 4 hours with 3 folds every 30 minutes.\n"
        "Shape, chill 12 hours, bake in a pot at 240 C for 45 minutes."
    )
    found = json.loads(ask("recipe", {"text": text, "habits": {"salt": "fine_sea"}}).stdout)
    assert set(found) == {"formula", "method", "items", "sentences", "questions", "unread", "warnings"}
    assert {"text", "stage", "ingredient", "g", "kind", "role", "why"} == set(found["items"][0])
    assert {"text", "stage", "took", "unread"} == set(found["sentences"][0])
    assert [item["stage"] for item in found["items"]].count("levain") == 3 and found["questions"] == []
    weighed = json.loads(ask("formula", {"formula": found["formula"]}).stdout)["weighed"]
    assert weighed["flour_g"] == pytest.approx(570, rel=0.01)
    plain = {key: value for key, value in found["formula"].items() if key != "method"}
    asked = {"formula": plain, "method": found["method"], "now": "2026-11-28T06:30:00+00:00",
             "kitchen": {"zone": "UTC", "vessels": ["lidded_cast_iron"]}}  # fmt: skip
    planned = json.loads(ask("plan", asked).stdout)
    assert [stage["kind"] for stage in planned["stages"]] == ["levain", "mix", "bulk", "shape", "proof", "bake"]
    open_ = json.loads(ask("recipe", {"text": text}).stdout)
    assert (
        open_["questions"][0]["code"] == "which_salt"
        and open_["items"][open_["questions"][0]["item"]]["role"] == "salt"
    )
    nothing = json.loads(ask("recipe", {"text": "a riddle"}).stdout)
    assert nothing["formula"] is None and nothing["method"] is None
    assert ask("recipe", {"text": "x" * 20_001}).returncode == 2


def test_a_diagnosis_of_the_contract():
    record = {"bulk_rise": 0.3, "bulk_wanted": 0.5, "bulk_hours": 4, "dough_c": 24, "leaven": "levain",
              "proof_share": {"low": 0.5, "likely": 0.6, "high": 0.7}}  # fmt: skip
    found = json.loads(ask("diagnose", {"record": record, "seen": ["dense_tight"], "not_seen": ["gummy"]}).stdout)
    assert set(found) == {"causes", "ruled_out", "unexplained", "look_next", "change"}
    first = found["causes"][0]
    assert set(first) == {"cause", "p", "for", "against"} and first["cause"] == "bulk_under"
    assert set(first["for"][0]) == {"evidence", "text", "bits"} and first["for"][0]["bits"] > 1
    assert set(found["change"]) == {"what", "to", "predicted", "text"}
    assert set(found["ruled_out"][0]) == {"cause", "text"}
    bare = json.loads(ask("diagnose", {"seen": ["spread"]}).stdout)
    assert set(bare["look_next"]) == {"look", "text"}
    assert json.loads(ask("diagnose", {}).stdout)["unexplained"] == []
    codes = json.loads(ask("diagnose", None, "--codes").stdout)
    assert len(codes["faults"]) == 27 and len(codes["causes"]) == 34
    assert ask("diagnose", {"seen": ["ugly"]}).returncode == 2
    assert ask("diagnose", {"record": {"core_c": 400}, "seen": ["gummy"]}).returncode == 2


ROLLS = {"loaf": {"dough_g": 80, "shape": "roll", "pieces": 8}, "vessel": {"kind": "tray"},
         "preheat": {"setpoint_c": 210, "minutes": 30}, "steam": [{"kind": "water_pan"}]}  # fmt: skip


def test_a_grill_is_a_stage_of_a_bake():
    plain = [{"minutes": 10, "setpoint_c": 210, "covered": True}, {"minutes": 6, "setpoint_c": 210}]
    grilled = [*plain[:1], {**plain[1], "grill": True}]
    ends = [json.loads(ask("bake", {**ROLLS, "stages": stages}).stdout)["end"]["colour"] for stages in (plain, grilled)]
    assert ends[1] > ends[0] + 20
    refused = ask("bake", {**ROLLS, "stages": [{**plain[0], "grill": True}, plain[1]]})
    told = refused.stdout + refused.stderr
    assert "grill" in told


def test_the_strength_of_a_kitchens_yeast_is_part_of_the_question_of_a_plan():
    formula = {"name": "Tin", "flours": [{"kind": "strong_white", "percent": 100}], "hydration_percent": 64,
               "salt_percent": 2, "yeast_percent": 1.0, "shape": "pan_loaf"}  # fmt: skip
    question = {"formula": formula, "pieces": 2, "scaling_weight_g": 700, "dough_c": 26,
                "now": "2026-11-28T06:30:00+00:00", "ready": "2026-11-28T18:00:00+00:00"}  # fmt: skip
    bulks = {}
    for strength in (1.0, 0.5):
        answer = ask("plan", {**question, "kitchen": {"yeast_strength": strength}})
        assert answer.returncode == 0, answer.stderr
        stages = json.loads(answer.stdout)["stages"]
        bulks[strength] = sum(each["minutes"] for each in stages if each["kind"] in ("bulk", "proof"))
    assert bulks[0.5] > bulks[1.0] + 20
    assert ask("plan", {**question, "kitchen": {"yeast_strength": 9}}).returncode == 2
