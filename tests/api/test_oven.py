"""The oven over HTTP and on the command line."""

import json

import pytest

from tests.api.test_command_line import ask

LOAF = {"formula_id": "tidewater-country"}
WAY = {"loaf": LOAF, "vessel_id": "pot"}


def test_a_bake_is_drawn_up_with_its_steps_and_cautions(client):
    found = client.post("/api/oven/bake", json=WAY).get_json()
    assert found["done_min"] and found["curve"][0]["min"] == -found["preheat_min"]
    assert found["touches"][0]["kind"] == "preheat"
    codes = {touch["kind"]: [caution["code"] for caution in touch["cautions"]] for touch in found["touches"]}
    assert codes["vent"] == ["lid_steam"] and "hot_iron" in codes["load"] and codes["out"] == ["hot_iron"]
    colours = [point["colour"] for point in found["curve"]]
    assert colours == sorted(colours)


def test_altered_stages_are_simulated_and_a_soak_cut_short_is_said(client):
    stages = [{"minutes": 20, "setpoint_c": 240, "covered": True}, {"minutes": 5, "setpoint_c": 0}]
    found = client.post("/api/oven/bake", json={**WAY, "stages": stages, "preheat_min": 10}).get_json()
    assert found["curve"][-1]["min"] == 25 and found["soak_short_k"] > 30
    assert found["done_min"] is None or found["done_min"] > 25
    assert found["dials"][1] == "oven off"


@pytest.mark.parametrize(("formula", "vessel", "cut"),
                         [("night-ferry-rye", "tin", False), ("lamplighters-tin", "tin", True)])  # fmt: skip
def test_the_oven_loads_rye_without_a_knife_as_the_plan_does(client, formula, vessel, cut):
    touches = client.post("/api/oven/bake", json={"loaf": {"formula_id": formula}, "vessel_id": vessel}).get_json()[
        "touches"
    ]
    load = next(touch for touch in touches if touch["kind"] == "load")
    assert (load["title"] == "Score and load") == cut
    assert ("blades" in [each["code"] for each in load["cautions"]]) == cut
    plan = client.post("/api/plan", json={"formula_id": formula, "ready": "2026-11-30T18:00"}).get_json()["plan"]
    scored = [step for step in plan["steps"] if step["kind"] == "score"]
    assert bool(scored) == cut and all("blades" in {each["code"] for each in step["cautions"]} for step in scored)


def test_all_ways_are_ranked(client):
    ways = client.post("/api/oven/rank", json=LOAF).get_json()["ways"]
    fit = [way["score"] for way in ways if not way["unfit"]]
    assert len(fit) >= 5 and max(fit[:2]) == max(fit)
    assert any(way["unfit"] for way in ways)


@pytest.mark.parametrize(
    ("path", "body", "field"),
    [
        ("bake", {**WAY, "vessel_id": "cauldron"}, "vessel_id"),
        ("bake", {**WAY, "stages": [{"minutes": 20, "setpoint_c": 900}]}, "stages[0].setpoint_c"),
        ("bake", {**WAY, "steam": ["geyser"]}, "steam.kind"),
        ("bake", {**WAY, "preheat_min": -4}, "preheat.minutes"),
        ("bake", {**WAY, "loaf": {**LOAF, "piece_g": 5}}, "piece_g"),
        ("bake", {**WAY, "colour": "blue"}, "colour"),
        ("rank", {"formula_id": "nothing"}, "formula_id"),
        ("signs", {"bake": WAY, "core_c": 400}, "core_c"),
        ("signs", {"bake": WAY, "out_g": 4000}, "out_g"),
        ("calibrate", {"kind": "electric", "volume_l": 55, "dial": [{"set_c": 200, "read_c": 20}]}, "dial[0].read_c"),
    ],
)
def test_bad_input_names_its_field_and_the_remedy(client, path, body, field):
    answer = client.post(f"/api/oven/{path}", json=body)
    assert answer.status_code == 422
    assert any(error["field"].endswith(field) and error["sentence"] for error in answer.get_json()["errors"])


def test_kit_is_kept_and_its_limits_hold(client):
    body = client.get("/api/kitchen").get_json()["settings"]
    body["oven"]["heat_up_min"] = 14
    body["vessels"][0]["knob_c"] = 200
    body["steam"] = ["soaked_towels"]
    assert client.put("/api/kitchen", json=body).status_code == 200
    kept = client.get("/api/kitchen").get_json()["settings"]
    assert kept["oven"]["heat_up_min"] == 14 and kept["vessels"][0]["knob_c"] == 200
    hazards = client.post("/api/oven/bake", json=WAY).get_json()["hazards"]
    assert hazards[0]["code"] == "knob" and hazards[0]["weight"] == "refused"
    body["steam"] = ["dragon"]
    assert client.put("/api/kitchen", json=body).get_json()["errors"][0]["field"] == "steam.0"


QUESTION = {
    "loaf": {"dough_g": 800, "hydration": 0.72, "start_c": 22, "shape": "boule", "pieces": 1},
    "vessel": {"kind": "lidded_cast_iron", "preheated": True},
    "oven": {"kind": "electric", "heater_w": 2500, "volume_l": 55},
    "preheat": {"setpoint_c": 245, "minutes": 50},
    "steam": {"kind": "none"},
    "stages": [
        {"minutes": 20, "setpoint_c": 245, "covered": True, "fan": False},
        {"minutes": 20, "setpoint_c": 230, "covered": False, "fan": False},
    ],
}


def test_the_command_bakes_a_minute_at_a_time():
    asked = ask("bake", {**QUESTION, "steam": [{"kind": "mist_loaf", "g": 8}, {"kind": "hot_pan", "at_min": 0}]})
    assert asked.returncode == 0, asked.stderr
    found = json.loads(asked.stdout)
    assert set(found["core_minutes_to"]) == {"90", "93", "96"}
    assert [point["minutes"] for point in found["curve"]] == list(range(41))
    assert 0.08 < found["end"]["loss_fraction"] < 0.2 and found["end"]["core_c"] > 94
    assert {"code", "text"} == set(found["warnings"][0])


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"vessel": {"kind": "stone"}, "steam": {"kind": "ice_in_pot"}}, "steam[0].kind"),
        ({"stages": []}, "stages"),
        ({"loaf": {"dough_g": 800, "shape": "star"}}, "loaf.shape"),
        ({"oven": {"kind": "microwave"}}, "oven.kind"),
        ({"lid": True}, "lid"),
    ],
)
def test_the_command_refuses_with_a_problem(change, field):
    asked = ask("bake", {**QUESTION, **change})
    assert asked.returncode == 2 and asked.stdout == ""
    assert any(error["field"].endswith(field) for error in json.loads(asked.stderr)["errors"])
