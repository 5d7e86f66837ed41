"""The API as a client sees it: shapes, refusals as problems, and who may speak to it."""

import pytest

from gentle_crust import demo
from gentle_crust.api.app import create_app
from tests.conftest import SATURDAY

ASKED = {"formula_id": "tidewater-country", "ready": "2026-11-29T07:30"}


def refused(answer, status, field=None):
    assert answer.status_code == status
    assert answer.content_type == "application/problem+json"
    problem = answer.get_json()
    assert problem["status"] == status and problem["detail"]
    if field:
        assert problem["errors"][0]["field"] == field and problem["errors"][0]["remedy"]
    return problem


def test_plan_is_previewed_saved_opened_put_away_and_brought_back(client):
    shown = client.post("/api/plan", json=ASKED).get_json()
    saved = client.put("/api/plans/abc-1", json=shown["asked"]).get_json()
    assert saved["plan"] == shown["plan"]
    assert client.get("/api/plans/abc-1").get_json() == saved
    assert client.delete("/api/plans/abc-1").status_code == 200
    assert "abc-1" not in [line["id"] for line in client.get("/api/plans").get_json()["plans"]]
    assert client.post("/api/plans/abc-1/restore").status_code == 200
    assert client.get("/api/plans/abc-1").get_json()["plan"] == shown["plan"]


def test_the_list_says_what_is_next(client):
    line = next(line for line in client.get("/api/plans").get_json()["plans"] if line["id"] == demo.TOMORROW_PLAN)
    assert line["next_step"]["title"] == "Build the levain"


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"pieces": 0}, "pieces"),
        ({"scaling_weight_g": 9000}, "scaling_weight_g"),
        ({"dough_c": 90}, "dough_c"),
        ({"dough_c": "warm"}, "dough_c"),
        ({"room_day_c": -40}, "room_day_c"),
        ({"fridge_c": 25}, "fridge_c"),
        ({"ready": "soon"}, "ready"),
        ({"ready": "2020-01-01T07:30"}, "ready"),
        ({"zone": "Nowhere/Else"}, "zone"),
        ({"vessel_id": "cauldron"}, "vessel_id"),
        ({"formula_id": "gone"}, "formula_id"),
        ({"sleep_from": "25:99"}, "sleep_from"),
        ({"yeast": 3}, "yeast"),
        ({"style": "cellar"}, "style"),
    ],
)
def test_bad_values_name_their_field(client, change, field):
    problem = refused(client.post("/api/plan", json=ASKED | change), 422, field)
    assert "Traceback" not in problem["detail"]


@pytest.mark.parametrize("body", [b"", b"not json", b"[]", b'"text"', b"null", b'{"formula_id": 1e999}'])
def test_bad_bodies_are_refused_in_words(client, body):
    refused(client.post("/api/plan", data=body, content_type="application/json"), 422)


def test_too_large_missing_and_wrong_method(client):
    refused(client.post("/api/plan", data=b" " * 1_100_000, content_type="application/json"), 413)
    refused(client.get("/api/nothing"), 404)
    refused(client.get("/api/plans/never-was"), 404)
    refused(client.delete("/api/plan"), 405)
    refused(client.get("/assets/none.js"), 404)


def test_mends_are_offered_for_a_wish_that_comes_too_late(client):
    late = ASKED | {"ready": "2026-11-28T15:00", "style": "room_steady"}
    assert client.post("/api/plan", json=late).get_json()["plan"]["problems"]
    mends = client.post("/api/plan/mends", json=late).get_json()["mends"]
    assert mends and list(mends[0]["change"]) == ["ready"]
    mended = client.post("/api/plan", json=late | mends[0]["change"]).get_json()
    assert not mended["plan"]["problems"]


def test_spring_hour_is_refused_with_the_next_one(sessions):
    from datetime import UTC, datetime

    client = create_app(sessions, lambda: datetime(2027, 3, 27, 6, 30, tzinfo=UTC)).test_client()
    problem = refused(client.post("/api/plan", json=ASKED | {"ready": "2027-03-28T01:30"}), 422, "ready")
    assert "02:30" in problem["detail"]


def test_kitchen_is_saved_and_its_limits_are_kept(client):
    body = client.get("/api/kitchen").get_json()["settings"]
    assert client.put("/api/kitchen", json=body | {"room_day_c": 20.5}).status_code == 200
    assert client.get("/api/kitchen").get_json()["settings"]["room_day_c"] == 20.5
    refused(client.put("/api/kitchen", json=body | {"vessels": []}), 422, "vessels")
    refused(client.put("/api/kitchen", json=body | {"tap_c": 70}), 422, "tap_c")
    assert client.get("/api/kitchen").get_json()["settings"]["room_day_c"] == 20.5


def test_strangers_are_kept_out(client, sessions):
    refused(client.get("/api/kitchen", headers={"Host": "evil.example"}), 421)
    refused(client.post("/api/plan", json=ASKED, headers={"Origin": "http://evil.example"}), 403)
    assert client.post("/api/plan", json=ASKED, headers={"Origin": "http://localhost"}).status_code == 200
    guarded = create_app(sessions, lambda: SATURDAY, "0.0.0.0", "bread and salt").test_client()  # noqa: S104
    refused(guarded.get("/api/kitchen"), 401)
    refused(guarded.get("/api/kitchen", auth=("me", "bread and salt")), 401)
    refused(guarded.post("/api/sign-in", json={"passcode": "wrong"}), 401)
    assert guarded.post("/api/sign-in", json={"passcode": "bread and salt"}).status_code == 200
    assert guarded.get("/api/kitchen").status_code == 200, "the device shows what it was given"


def test_pages_carry_a_policy_and_rooms_lead_to_the_first_page(client):
    answer = client.get("/plan/some-plan")
    assert answer.status_code == 200 and b'id="app"' in answer.data
    assert "default-src 'self'" in answer.headers["Content-Security-Policy"]


def test_formulas_are_previewed_saved_and_kept_in_versions(client):
    formula = client.get("/api/formulas/tidewater-country").get_json()["formula"]
    seen = client.post("/api/formulas/work", json={"formula": formula | {"salt_percent": 3.0}}).get_json()
    assert [check["code"] for check in seen["checks"]] == ["salt_high"]
    refused(client.post("/api/formulas/work", json={"formula": formula | {"salt_percent": 7}}), 422, "salt_percent")
    refused(client.put("/api/formulas/tidewater-country", json=formula | {"colour": "brown"}), 422, "colour")
    assert client.put("/api/formulas/tidewater-country", json=formula | {"hydration_percent": 78}).status_code == 200
    versions = client.get("/api/formulas/tidewater-country/versions").get_json()["versions"]
    assert [version["number"] for version in versions] == [4, 3, 2, 1]
    refused(client.get("/api/formulas/none/versions"), 404)


def test_a_bake_in_gas_marks_is_given_in_degrees_with_its_minutes(client):
    text = "500 g flour\n350 g water\n10 g salt\n4 g yeast\n\nMix. Bake at gas mark 7 for 35 minutes, turning once."
    stages = client.post("/api/recipe/read", json={"text": text}).get_json()["stages"]
    heat = {"setpoint_c": 220, "minutes": 35, "covered": False, "fan": False, "turn": True}
    assert [each["heats"] for each in stages if each["kind"] == "bake"] == [[heat]]
    assert not any(each["heats"] for each in stages if each["kind"] != "bake")


def test_a_written_recipe_is_read_and_files_are_given_and_taken(client):
    read = client.post(
        "/api/recipe/read", json={"text": "500 g bread flour\n350 g water\n10 g salt\n4 g yeast"}
    ).get_json()
    assert read["formula"]["formula"]["hydration_percent"] == 70 and read["why_not"] == ""
    assert client.post("/api/recipe/read", json={"text": "salt"}).get_json()["formula"] is None
    file = client.get("/api/formulas/night-ferry-rye/file/recipe")
    assert 'filename="night-ferry-rye.jsonld"' in file.headers["Content-Disposition"]
    again = client.post("/api/formulas/read-file", data=file.data, content_type="application/octet-stream").get_json()
    original = client.get("/api/formulas/night-ferry-rye").get_json()["formula"]
    assert again["formula"] == original
    refused(client.post("/api/formulas/read-file", data=b"\x00"), 422, "file")


def test_leaven_is_swapped_without_keeping_it(client):
    before = client.get("/api/formulas").get_json()["formulas"]
    found = client.post("/api/formulas/lamplighters-tin/swap", json={"leaven": "levain"}).get_json()
    assert found["formula"]["formula"]["preferments"][0]["kind"] == "levain"
    assert found["after"]["likely_h"] > found["before"]["likely_h"]
    assert client.get("/api/formulas").get_json()["formulas"] == before
    refused(client.post("/api/formulas/lamplighters-tin/swap", json={"leaven": "yeast"}), 422, "leaven")
    refused(client.post("/api/formulas/none/swap", json={"leaven": "yeast"}), 404)


def test_a_kitchens_day_is_drawn_from_what_the_fields_say_and_kept_nowhere(client):
    habits = {"room_day_c": 23.0, "room_night_c": 17.0, "sleep_from": "22:00", "sleep_to": "06:00"}
    before = client.get("/api/kitchen").json
    day = client.post("/api/kitchen/day", json=habits).json
    assert (day["asleep_from_h"], day["asleep_to_h"]) == (22.0, 30.0)
    warmth = {each["hour"]: each["room_c"] for each in day["warmth"]}
    assert warmth[12.0] == pytest.approx(23, abs=0.3) and warmth[22.0] == pytest.approx(23, abs=0.1)
    assert 17 < warmth[29.75] < 17.5 and min(warmth.values()) == warmth[30.0] == pytest.approx(17, abs=0.1)
    falling = [warmth[hour] for hour in sorted(warmth) if 22 <= hour < 30]
    assert falling == sorted(falling, reverse=True)
    assert client.get("/api/kitchen").json == before


@pytest.mark.parametrize(
    ("field", "value", "says"),
    [("room_day_c", 60, "must be between"), ("sleep_from", "25:10", "not a time of day"), ("sleep_to", "21:59", "14")],
)
def test_a_kitchens_day_that_no_kitchen_has_is_refused_by_its_field(client, field, value, says):
    habits = {"room_day_c": 23.0, "room_night_c": 17.0, "sleep_from": "22:00", "sleep_to": "06:00", field: value}
    refused = client.post("/api/kitchen/day", json=habits)
    assert refused.status_code == 422
    error = refused.json["errors"][0]
    assert error["field"] == field and says in error["sentence"] and error["remedy"]


def test_who_sleeps_by_day_has_a_night_too(client):
    habits = {"room_day_c": 23.0, "room_night_c": 17.0, "sleep_from": "09:00", "sleep_to": "16:00"}
    day = client.post("/api/kitchen/day", json=habits).json
    assert (day["asleep_from_h"], day["asleep_to_h"]) == (33.0, 40.0)
