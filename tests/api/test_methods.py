"""A formula's method over HTTP: asked for stage by stage, changed, saved with its versions, planned by, refused."""

import json
from typing import Any

import pytest

from gentle_crust.kitchen.formulas import FormulaBook

KEY = "tidewater-country"


def body_of(client: Any, key: str = KEY) -> dict[str, Any]:
    return dict(client.get(f"/api/formulas/{key}").get_json()["formula"])


def asked(client: Any, formula: dict[str, Any], **more: Any) -> Any:
    return client.post("/api/formulas/method", json={"formula": formula, **more})


def test_every_formula_tells_how_it_is_made(client: Any) -> None:
    for line in client.get("/api/formulas").get_json()["formulas"]:
        found = asked(client, body_of(client, line["id"])).get_json()
        kinds = [each["kind"] for each in found["stages"]]
        assert kinds == [each["kind"] for each in found["method"]["stages"]], line["id"]
        assert "bake" in kinds and found["style"] != "of_formula" and len(found["styles"]) > 1
        for stage in found["stages"]:
            assert stage["minutes"] > 0 or stage["kind"] in ("levain", "preferment"), (line["id"], stage)
            assert stage["rise"] is None or stage["rise"][1] >= -0.01
        written = [each for each in found["stages"] if each["kind"] == "bulk"]
        assert all(each["until"] for each in written)


def test_a_style_is_looked_at_without_being_taken(client: Any) -> None:
    found = asked(client, body_of(client), style="cold_bulk").get_json()
    assert found["style"] == "cold_bulk"
    places = [(each["kind"], each["place"]) for each in found["stages"]]
    assert ("bulk", "fridge") in places and body_of(client)["method"] is None
    assert asked(client, body_of(client), style="nonsense").status_code == 422


def own(client: Any, **changes: Any) -> dict[str, Any]:
    formula = body_of(client)
    formula["method"] = asked(client, formula).get_json()["method"]
    for stage in formula["method"]["stages"]:
        stage.update(changes.get(stage["kind"], {}))
    return formula


def test_a_method_is_saved_with_its_version_and_planned_by(client: Any) -> None:
    formula = own(client, bulk={"until": {"rise": 0.6}, "folds": [{"kind": "coil", "count": 2, "first_min": 40}]})
    saved = client.put(f"/api/formulas/{KEY}", json=formula)
    assert saved.status_code == 200 and body_of(client)["method"]["stages"]
    plan = client.post("/api/plan", json={"formula_id": KEY}).get_json()
    assert plan["asked"]["style"] == "of_formula" and abs(plan["plan"]["proof"]["bulk_rise"] - 0.6) < 0.01
    folds = [each for each in plan["plan"]["steps"] if each["kind"] == "fold"]
    assert len(folds) == 2 and plan["styles"][0]["id"] == "of_formula"
    ways = client.post("/api/plan/ways", json=plan["asked"]).get_json()["ways"]
    assert ways[0]["style"] == "of_formula" and ways[0]["title"] == "As the formula says"
    other = client.post("/api/plan", json={"formula_id": KEY, "style": "room_steady"}).get_json()
    assert other["asked"]["style"] == "room_steady"
    version = client.get(f"/api/formulas/{KEY}/versions").get_json()["versions"][0]
    assert "Method, bulk" in json.dumps(version)
    back = client.post(f"/api/formulas/{KEY}/versions/{version['number'] - 1}/restore").get_json()
    assert back["formula"]["method"] is None
    gone = client.post("/api/plan", json={"formula_id": KEY, "style": "of_formula"}).get_json()
    assert gone["asked"]["style"] == "cold_shaped"


def test_it_is_in_the_file_and_comes_back_from_it(client: Any) -> None:
    formula = own(client, shape={"minutes": 11})
    assert client.put(f"/api/formulas/{KEY}", json=formula).status_code == 200
    file = client.get(f"/api/formulas/{KEY}/file/json").data
    read = client.post("/api/formulas/read-file", data=file).get_json()["formula"]["method"]
    assert next(each for each in read["stages"] if each["kind"] == "shape")["minutes"] == 11


def test_pieces_that_go_two_ways_are_planned_on_their_days(client: Any) -> None:
    formula = own(client)
    stages = formula["method"]["stages"]
    cut = next(place for place, each in enumerate(stages) if each["kind"] == "proof")
    rest = stages[cut:]
    longer = [{**rest[0], "until": {"hours": [32, 42]}}, *rest[1:]]
    formula["method"] = {
        "stages": stages[:cut],
        "parts": [{"name": "market", "pieces": 1, "stages": rest}, {"name": "home", "pieces": 1, "stages": longer}],
    }
    formula["method"]["parts"][1]["stages"] = [{**each, "id": f"{each['kind']}-home"} for each in longer]
    assert client.put(f"/api/formulas/{KEY}", json=formula).status_code == 200
    made = client.post("/api/plan", json={"formula_id": KEY, "pieces": 5}).get_json()["plan"]
    outs = {each["name"]: each for each in made["outs"]}
    assert outs["market"]["pieces"] == 4 and outs["home"]["pieces"] == 1
    assert (
        outs["home"]["out"][:10] > outs["market"]["out"][:10] and outs["home"]["out"][11:] == outs["market"]["out"][11:]
    )


@pytest.mark.parametrize(
    ("stages", "field"),
    [
        ([{"kind": "mix"}, {"kind": "bake"}, {"kind": "bake"}], "method.stages.2.kind"),
        ([{"kind": "divide"}, {"kind": "mix"}, {"kind": "bake"}], "method.stages.0.kind"),
        (
            [{"kind": "mix"}, {"kind": "bulk", "until": {"hours": [8, 2]}}, {"kind": "bake"}],
            "method.stages.1.until.hours",
        ),
        ([{"kind": "mix"}, {"kind": "nap"}, {"kind": "bake"}], "method.stages.1.kind"),
        ([{"kind": "mix", "until": "ready"}, {"kind": "bake"}], "method.stages.0.until"),
        ([], "method.stages"),
    ],
)
def test_a_method_that_cannot_be_is_refused_whole(client: Any, sessions: Any, stages: Any, field: str) -> None:
    formula = {**body_of(client), "method": {"stages": stages}}
    for answer in (asked(client, formula), client.put(f"/api/formulas/{KEY}", json=formula)):
        assert answer.status_code == 422, answer.get_json()
        error = answer.get_json()["errors"][0]
        assert error["field"] == field and error["remedy"]
    assert body_of(client)["method"] is None


def test_a_stage_of_no_shape_at_all_is_refused_at_the_door(client: Any) -> None:
    for method in ("bulk", {"stages": "bulk"}, {"stages": [{"kind": "bulk", "wrong": 1}]}, {"stages": [3]}):
        assert asked(client, {**body_of(client), "method": method}).status_code == 422


def test_a_levain_taken_out_takes_its_stage_with_it(client: Any) -> None:
    formula = own(client)
    formula |= {"preferments": [], "yeast_percent": 0.8}
    found = asked(client, formula)
    assert found.status_code == 200, found.get_json()
    assert "levain" not in [each["kind"] for each in found.get_json()["method"]["stages"]]
    assert client.put(f"/api/formulas/{KEY}", json=formula).status_code == 200
    assert client.post("/api/plan", json={"formula_id": KEY}).status_code == 200


def test_the_command_line_plans_by_it(client: Any) -> None:
    from gentle_crust.interchange.plan_json import answer

    formula = own(client, bulk={"until": {"rise": 0.3}})
    question = {"formula": formula, "now": "2026-11-28T06:30:00+00:00"}
    bulk = next(
        each for each in json.loads(json.dumps(answer(json.dumps(question))))["stages"] if each["kind"] == "bulk"
    )
    assert abs(bulk["rise"]["likely"] - 0.3) < 0.01


def test_a_kept_formula_without_a_method_is_raised(sessions: Any, book: Any) -> None:
    assert all(each.formula.method is None for each in FormulaBook(book.work).all())


def two_ways(client: Any) -> None:
    """The formula saved with a piece that is baked another day."""
    formula = own(client)
    stages = formula["method"]["stages"]
    cut = next(place for place, each in enumerate(stages) if each["kind"] == "proof")
    longer = [{**stages[cut], "until": {"hours": [20, 60]}}, *stages[cut + 1 :]]
    later = [{**each, "id": f"{each['kind']}-home"} for each in longer]
    formula["method"] = {
        "stages": stages[:cut],
        "parts": [
            {"name": "market", "pieces": 1, "stages": stages[cut:]},
            {"name": "home", "pieces": 1, "stages": later},
        ],
    }
    assert client.put(f"/api/formulas/{KEY}", json=formula).status_code == 200


def test_each_part_is_wanted_at_its_own_time_and_saved_so(client: Any) -> None:
    two_ways(client)
    wish = {"formula_id": KEY, "ready": "2026-11-30T07:30", "ready_parts": {"home": "2026-12-01T12:00"}}
    plan = client.post("/api/plan", json=wish).get_json()
    outs = {each["name"]: each["out"] for each in plan["plan"]["outs"]}
    assert outs["market"].startswith("2026-11-30T07:3") or outs["market"].startswith("2026-11-30T07:2")
    assert outs["home"][:15] in ("2026-12-01T12:0", "2026-12-01T11:5")
    saved = client.put("/api/plans/two-ways", json=plan["asked"])
    assert saved.status_code == 200, saved.get_json()
    again = client.get("/api/plans/two-ways").get_json()
    assert again["asked"]["ready_parts"] == wish["ready_parts"] and again["plan"]["outs"] == plan["plan"]["outs"]


@pytest.mark.parametrize("when", ["2026-11-20T07:30", "tomorrow", "2027-06-01T07:30"])
def test_a_parts_time_that_cannot_be_is_named(client: Any, when: str) -> None:
    two_ways(client)
    wish = {"formula_id": KEY, "ready": "2026-11-30T07:30", "ready_parts": {"home": when}}
    answer = client.post("/api/plan", json=wish)
    assert answer.status_code == 422 and answer.get_json()["errors"][0]["field"] == "ready_parts.home"
    unknown = client.post("/api/plan", json={**wish, "ready_parts": {"nobody": "2026-12-01T12:00"}})
    assert unknown.status_code == 200


def test_what_may_be_changed_and_added_is_told_with_the_method(client: Any) -> None:
    found = asked(client, body_of(client)).get_json()
    kinds = {each["kind"]: each for each in found["kinds"]}
    assert kinds["keep"]["begins"] == {"place": "fridge", "until": {"hours": [12, 36]}}
    assert kinds["mix"]["begins"] is None and kinds["levain"]["begins"] is None and kinds["bake"]["stays"]
    assert "folds" in kinds["bulk"]["takes"] and kinds["cool"]["takes"] == []
    assert not kinds["levain"]["moves"] and kinds["proof"]["moves"] and not kinds["proof"]["stays"]


def test_whatever_may_be_added_or_chosen_gives_a_method_that_can_be(client: Any) -> None:
    """Each kind that is offered, after the bulk; each way in which each stage might end instead."""
    formula = own(client)
    found = asked(client, formula).get_json()
    stages = formula["method"]["stages"]
    at = next(place for place, each in enumerate(stages) if each["kind"] == "bulk") + 1
    late = ("cool", "score")
    for kind in found["kinds"]:
        if kind["begins"] is not None and kind["kind"] not in late:
            added = [*stages[:at], {"kind": kind["kind"], **kind["begins"]}, *stages[at:]]
            answer = asked(client, {**formula, "method": {"stages": added}})
            assert answer.status_code == 200, (kind["kind"], answer.get_json())
    for stage in found["stages"]:
        place = int(stage["where"].split(".")[1])
        for way, until in stage["ends"].items():
            changed = [{**each, "until": until} if n == place else each for n, each in enumerate(stages)]
            answer = asked(client, {**formula, "method": {"stages": changed}})
            assert answer.status_code == 200, (stage["kind"], way, answer.get_json())
