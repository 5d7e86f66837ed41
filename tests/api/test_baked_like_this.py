"""A bake of the oven room taken into a plan, or kept with the formula: the plan bakes as it was drawn."""

from concurrent.futures import ThreadPoolExecutor
from typing import Any

import pytest

from tests.courses import courses

KEY = "tidewater-country"


def bake(**more: Any) -> dict[str, Any]:
    return {"loaf": {"formula_id": KEY}, "vessel_id": "pot", "preheated": "whole", "steam": [], **more}


def method_of(client: Any, **more: Any) -> dict[str, Any]:
    answer = client.post("/api/oven/method", json=bake(**more))
    assert answer.status_code == 200, answer.get_json()
    return dict(answer.get_json()["method"])


def planned(client: Any, **more: Any) -> dict[str, Any]:
    answer = client.post("/api/plan", json={"formula_id": KEY, **more})
    assert answer.status_code == 200, answer.get_json()
    return dict(answer.get_json())


STAGES = [
    {"minutes": 31, "setpoint_c": 240, "covered": True, "fan": False, "grill": False},
    {"minutes": 17, "setpoint_c": 210, "covered": False, "fan": True, "grill": False},
]


def test_an_altered_bake_is_the_plans_bake(client: Any) -> None:
    plan = planned(client, method=method_of(client, stages=STAGES))
    shown = [(each["minutes"], each["setpoint_c"], each["covered"]) for each in plan["plan"]["bake"]["stages"]]
    assert shown == [(31, 240, True), (17, 210, False)]
    kinds = [each["kind"] for each in plan["plan"]["steps"]]
    assert kinds.index("preheat") < kinds.index("load") < kinds.index("uncover") < kinds.index("out")


def test_the_vessel_of_the_bake_is_the_plans_and_another_brings_its_own_bake(client: Any) -> None:
    method = method_of(client, vessel_id="stone", preheated="whole", steam=["hot_pan"])
    on_stone = planned(client, method=method)
    assert on_stone["asked"]["vessel_id"] == "stone"
    poured = [each for each in on_stone["plan"]["steps"] if each["kind"] == "steam_in"]
    assert poured and all(each["cautions"] for each in poured if each["what"] == "water")
    in_pot = planned(client, method=method, vessel_id="pot")
    assert [each["kind"] for each in in_pot["plan"]["steps"]].count("uncover") == 1
    assert not [each for each in in_pot["plan"]["steps"] if each["kind"] == "steam_in"]


def test_minutes_of_heating_go_with_the_bake_and_the_usual_ones_are_left_to_the_kitchen(client: Any) -> None:
    method = method_of(client, preheat_min=95)
    (stage,) = [each for each in method["stages"] if each["kind"] == "bake"]
    assert stage["preheat_min"] == 95
    heating = next(each for each in planned(client, method=method)["plan"]["steps"] if each["kind"] == "preheat")
    assert "for 95 min" in heating["detail"]
    (usual,) = [each for each in method_of(client)["stages"] if each["kind"] == "bake"]
    assert "preheat_min" not in usual


def test_a_cold_start_is_not_preheated(client: Any) -> None:
    plan = planned(client, method=method_of(client, preheated="none"))
    kinds = [each["kind"] for each in plan["plan"]["steps"]]
    cold = client.post("/api/oven/bake", json=bake(preheated="none")).get_json()
    assert ("preheat" in kinds) == (cold["preheat_min"] > 0)


def test_kept_with_the_formula_it_bakes_every_plan_after(client: Any) -> None:
    formula = client.get(f"/api/formulas/{KEY}").get_json()["formula"]
    kept = client.put(f"/api/formulas/{KEY}", json={**formula, "method": method_of(client, stages=STAGES)})
    assert kept.status_code == 200
    plan = planned(client)
    assert plan["asked"]["style"] == "of_formula" and plan["asked"]["vessel_id"] == "pot"
    assert [each["minutes"] for each in plan["plan"]["bake"]["stages"]] == [31, 17]
    again = method_of(client, vessel_id="stone", steam=["hot_pan"])
    assert [each["kind"] for each in again["stages"]] == [
        each["kind"] for each in kept.get_json()["formula"]["method"]["stages"]
    ]


@pytest.mark.parametrize(
    ("change", "field"),
    [({"vessel_id": "kettle"}, "vessel_id"), ({"loaf": {"formula_id": "none"}}, "formula_id")],
)
def test_what_is_not_there_is_refused_by_name(client: Any, change: dict[str, Any], field: str) -> None:
    answer = client.post("/api/oven/method", json=bake(**change))
    assert answer.status_code == 422 and answer.get_json()["errors"][0]["field"] == field


def mine(client: Any) -> list[dict[str, Any]]:
    return list(client.get("/api/kitchen").get_json()["settings"]["bakes"])


def test_an_altered_bake_is_kept_by_name_and_comes_back_as_it_was(client: Any) -> None:
    body = {"name": "  Sunday pot ", "bake": bake(stages=STAGES, preheat_min=55)}
    assert client.post("/api/oven/bakes", json=body).status_code == 200
    (own,) = mine(client)
    assert (own["name"], own["vessel_id"], own["preheated"], own["preheat_min"]) == ("Sunday pot", "pot", "whole", 55)
    assert own["stages"] == STAGES
    again = client.post("/api/oven/bake", json=bake(stages=own["stages"], preheat_min=own["preheat_min"])).get_json()
    assert again["stages"] == STAGES and again["preheat_min"] == 55
    # One of the same name is kept over; a bake as it is drawn up is kept with its stages.
    client.post("/api/oven/bakes", json={"name": "Sunday pot", "bake": bake()})
    (over,) = mine(client)
    assert over["id"] == own["id"] and over["stages"] and over["stages"] != STAGES
    client.post("/api/oven/bakes", json={"name": "Steel", "bake": bake(vessel_id="stone")})
    assert [each["name"] for each in mine(client)] == ["Sunday pot", "Steel"]


def test_a_kitchen_that_is_saved_keeps_its_bakes_and_one_put_away_comes_back(client: Any) -> None:
    client.post("/api/oven/bakes", json={"name": "Sunday pot", "bake": bake()})
    settings = client.get("/api/kitchen").get_json()["settings"]
    assert client.put("/api/kitchen", json={**settings, "room_day_c": 21}).status_code == 200
    (own,) = mine(client)
    assert client.delete(f"/api/oven/bakes/{own['id']}").status_code == 200 and mine(client) == []
    assert client.post("/api/kitchen/undo").status_code == 200 and mine(client) == [own]


@pytest.mark.parametrize(
    ("name", "vessel", "field"), [("", "pot", "name"), ("x" * 41, "pot", "name"), ("Gone", "bucket", "vessel_id")]
)
def test_a_bake_without_a_name_or_a_vessel_is_not_kept(client: Any, name: str, vessel: str, field: str) -> None:
    answer = client.post("/api/oven/bakes", json={"name": name, "bake": bake(vessel_id=vessel)})
    error = answer.get_json()["errors"][0]
    assert answer.status_code == 422 and error["field"].endswith(field) and error["remedy"]
    assert mine(client) == []
    assert client.delete("/api/oven/bakes/none").status_code == 404


def drawn(client: Any, **more: Any) -> dict[str, Any]:
    answer = client.post("/api/oven/bake", json=bake(vessel_id="stone", steam=["hot_pan"], **more))
    assert answer.status_code == 200, answer.get_json()
    return dict(answer.get_json())


def test_amounts_and_minutes_of_steam_are_the_bakers_in_bake_steps_method_and_name(client: Any) -> None:
    usual = drawn(client)
    assert [(each["g"], each["at_min"]) for each in usual["poured"]] == [(250, 0)]
    own = [{"kind": "hot_pan", "g": 120, "at_min": 2}]
    less = drawn(client, poured=own)
    assert [(each["g"], each["at_min"]) for each in less["poured"]] == [(120, 2)]
    pour = next(each for each in less["touches"] if "120" in str(each["text"]))
    assert 2 <= pour["minute"] <= 3 and pour["cautions"]
    little = drawn(client, poured=[{"kind": "hot_pan", "g": 40, "at_min": 0}])
    wet, dry = (max(each["vapour"] for each in one["curve"]) for one in (usual, little))
    assert dry < wet
    body = bake(vessel_id="stone", steam=["hot_pan"], poured=own)
    method = client.post("/api/oven/method", json=body).get_json()["method"]
    steps = planned(client, method=method)["plan"]["steps"]
    assert any(step["what"] == "water" and "120" in str(step["detail"]) for step in steps if step["kind"] == "steam_in")
    client.post("/api/oven/bakes", json={"name": "Little steam", "bake": body})
    (mine_,) = mine(client)
    assert mine_["steam"] == own


def test_an_amount_that_no_oven_takes_is_refused(client: Any) -> None:
    for odd in ({"g": 9000}, {"at_min": 900}):
        answer = client.post("/api/oven/bake", json=bake(poured=[{"kind": "hot_pan", **odd}], steam=["hot_pan"]))
        assert answer.status_code == 422 and next(iter(odd)) in answer.get_json()["errors"][0]["field"]


def test_bakes_kept_on_several_devices_at_once_are_all_kept(client: Any) -> None:
    names = [f"Bake {n}" for n in range(6)]
    app = client.application

    def keep(name: str) -> int:
        return int(app.test_client().post("/api/oven/bakes", json={"name": name, "bake": bake()}).status_code)

    with ThreadPoolExecutor(6) as pool:
        assert set(pool.map(keep, names)) == {200}
    assert sorted(each["name"] for each in mine(client)) == names
    assert len({each["id"] for each in mine(client)}) == len(names)


def test_how_well_a_way_serves_is_told_beside_the_best(client: Any) -> None:
    ways = client.post("/api/oven/rank", json={"formula_id": KEY}).get_json()["ways"]
    fit = [each for each in ways if not each["unfit"]]
    best = max(each["score"] for each in fit)
    for way in fit:
        behind = best - way["score"]
        assert way["serves"] == ("best" if behind < 5 else "well" if behind < 20 else "less"), way["key"]
    assert fit[0]["serves"] == "best" and all(each["serves"] is None for each in ways if each["unfit"])


def kept_course(client: Any, name: str, oven: dict[str, Any] | None = None) -> dict[str, Any]:
    question = courses()[name]
    for stage in question["method"]["stages"]:
        if stage["kind"] == "bake" and oven:
            stage["oven"] = oven
    parts = question["method"].get("parts", [])
    pieces = {"pieces": sum(part["pieces"] for part in parts)} if parts else {}
    body = {**question["formula"], **pieces, "name": name, "method": question["method"]}
    assert client.put("/api/formulas/own", json=body).status_code == 200
    return dict(client.post("/api/plan", json={"formula_id": "own"}).get_json())


def test_what_the_method_names_is_baked_in_though_the_kitchen_has_not_written_it_down(client: Any) -> None:
    found = kept_course(client, "13 steel or tray")
    assert found["asked"]["vessel_id"] == "as_method"
    heating = next(each for each in found["plan"]["steps"] if each["kind"] == "preheat")
    assert "baking steel inside" in heating["detail"]
    in_pots = client.post("/api/plan", json={**found["asked"], "vessel_id": "tray"}).get_json()
    heating = next(each for each in in_pots["plan"]["steps"] if each["kind"] == "preheat")
    assert "steel inside" not in heating["detail"]
    again = client.post("/api/plan", json={**in_pots["asked"], "vessel_id": "as_method"}).get_json()
    assert again["plan"]["bake"] == found["plan"]["bake"]


def test_a_wood_fire_is_fired_raked_out_and_tested_and_never_too_cool(client: Any) -> None:
    oven = {"kind": "wood", "fired": {"floor_c": 250, "dome_c": 290, "soaked_min": 40}, "shelf_cm2": 6000}
    found = kept_course(client, "16 wood fire", oven)
    kinds = [each["kind"] for each in found["plan"]["steps"]]
    assert kinds.index("fire") < kinds.index("rake_out") < kinds.index("test_floor") < kinds.index("load")
    assert "uncover" not in kinds and "turn" in kinds
    assert not [note for note in found["plan"]["notes"] if "stays" in str(note)]


def test_a_vessel_of_the_same_kind_is_the_kitchens_own(client: Any) -> None:
    method = method_of(client, vessel_id="stone", steam=["hot_pan"])
    for stage in method["stages"]:
        if stage["kind"] == "bake":
            stage["vessel"] = "stone"
    found = planned(client, method=method)
    assert found["asked"]["vessel_id"] == "stone"
    assert [each["kind"] for each in found["plan"]["steps"]].count("steam_in") >= 1


def test_a_dough_that_is_baked_as_its_method_says_lives_on_the_bench(client: Any) -> None:
    asked = kept_course(client, "13 steel or tray")["asked"]
    assert client.put("/api/plans/own", json=asked).status_code == 200
    press = {"id": "go", "dough": "own", "kind": "bake_started", "at": "2026-11-28T06:30:00+00:00", "body": {}}
    sent = client.post("/api/bench/presses", json={"sent_at": press["at"], "presses": [press]}).get_json()
    assert sent["taken"] == ["go"] and sent["bench"]["doughs"][0]["vessel_kind"] == "steel"


def test_as_the_method_says_is_the_first_vessel_that_fits_where_it_names_none(client: Any) -> None:
    found = planned(client, vessel_id="as_method")
    assert found["plan"]["bake"]["stages"]
    assert client.put("/api/plans/own", json=found["asked"]).status_code == 200
