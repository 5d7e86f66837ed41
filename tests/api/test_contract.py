"""The command line's and the API's contract, field by field, and under a storm of odd values."""

import io
import json

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from gentle_crust.cli import main

DOUGH = {"flours": [{"kind": "strong_white", "g": 900}], "water_g": 630, "salt_g": 18, "levain_g": 180}
FLOURS = (
    "strong_white",
    "very_strong_white",
    "plain_white",
    "whole_wheat",
    "rye",
    "whole_rye",
    "spelt",
    "durum",
    "maize",
    "other",
)
CONTAINERS = ("covered_bowl", "box", "banneton", "tin", "tray", "insulated")
MIXING = ("spoon", "folds", "hand_kneading", "slap_and_fold", "planetary_mixer", "spiral_mixer", "processor")


@pytest.fixture
def ask(monkeypatch, capsys):
    def asked(command, question):
        monkeypatch.setattr("sys.stdin", io.StringIO(json.dumps(question)))
        status = main([command])
        printed = capsys.readouterr()
        return status, json.loads(printed.out or printed.err)

    return asked


@pytest.mark.parametrize("kind", FLOURS)
def test_every_flour_is_forecast(ask, kind):
    dough = DOUGH | {"flours": [{"kind": "strong_white", "g": 600}, {"kind": kind, "g": 300}]}
    status, answer = ask("forecast", {"dough": dough, "path": [{"hours": 8, "ambient_c": 24}]})
    assert status == 0 and answer["greatest_rise"]["rise"] > 0.2


@pytest.mark.parametrize("container", CONTAINERS)
@pytest.mark.parametrize("ambient", [4, 12, 22, 32])
def test_every_container_in_every_weather(ask, container, ambient):
    path = [{"hours": 3, "ambient_c": 24}, {"hours": 9, "ambient_c": ambient, "container": container}]
    status, answer = ask("forecast", {"dough": DOUGH, "start_c": 25, "path": path})
    assert status == 0
    last = answer["curve"][-1]
    assert last["hours"] == pytest.approx(12) and last["rise_low"] <= last["rise"] <= last["rise_high"]
    assert min(ambient, 24) - 0.1 <= last["dough_c"] <= max(ambient, 25) + 0.1


def test_shaped_loaf_in_the_fridge_gains_what_bakers_see(ask):
    """Three and a half hours in the room, then twelve in the fridge: 5 to 45 points more, most of them early."""
    path = [{"hours": 5, "ambient_c": 24}, {"hours": 12, "ambient_c": 4, "container": "banneton"}]
    _, answer = ask("forecast", {"dough": DOUGH, "start_c": 24, "path": path, "pieces": 2})
    rise = {round(point["hours"], 2): point["rise"] for point in answer["curve"]}
    assert 0.05 <= rise[17.0] - rise[5.0] <= 0.45
    assert rise[10.0] - rise[5.0] > 0.5 * (rise[17.0] - rise[5.0])


@pytest.mark.parametrize("mixing", MIXING)
def test_every_way_of_mixing_warms_in_its_order(ask, mixing):
    status, answer = ask("water", {"dough": DOUGH, "mixing": mixing, "tap_c": 18})
    assert status == 0 and answer["dough_c"] == pytest.approx(25, abs=0.6)


def test_harder_mixing_wants_colder_water(ask):
    waters = [ask("water", {"dough": DOUGH, "mixing": mixing, "tap_c": 18})[1]["water_c"] for mixing in
              ("folds", "hand_kneading", "planetary_mixer", "spiral_mixer", "processor")]  # fmt: skip
    assert waters == sorted(waters, reverse=True)


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"dough": DOUGH | {"flours": []}}, "dough.flours"),
        ({"dough": DOUGH | {"flours": [{"kind": "chalk", "g": 900}]}}, "dough.flours.0.kind"),
        ({"dough": DOUGH | {"flours": [{"kind": "rye", "g": -5}]}}, "dough.flours.0.g"),
        ({"dough": DOUGH | {"water_g": 5000}}, "dough.water_g"),
        ({"dough": DOUGH | {"salt_g": 500}}, "dough.salt_g"),
        ({"dough": DOUGH | {"levain_g": 9000}}, "dough.levain_g"),
        ({"dough": DOUGH | {"levain_hydration": 9}}, "dough.levain_hydration"),
        ({"dough": DOUGH | {"fresh_yeast_g": -1}}, "dough.fresh_yeast_g"),
        ({"start_c": -3}, "start_c"),
        ({"start_c": "warm"}, "start_c"),
        ({"path": [{"hours": 0, "ambient_c": 20}]}, "path.0.hours"),
        ({"path": [{"hours": 5, "ambient_c": 90}]}, "path.0.ambient_c"),
        ({"path": [{"hours": 100, "ambient_c": 20}] * 3}, "path"),
        ({"rise_targets": [-1]}, "rise_targets.0"),
        ({"pieces": 0}, "pieces"),
        ({"surprise": 1}, "surprise"),
    ],
)
def test_forecast_refuses_by_field(ask, change, field):
    status, problem = ask("forecast", {"dough": DOUGH, "path": [{"hours": 5, "ambient_c": 22}]} | change)
    assert status == 2
    assert problem["errors"][0]["field"] == field
    assert problem["errors"][0]["remedy"] and problem["status"] == 422


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"flour_c": 80}, "flour_c"),
        ({"room_c": -20}, "room_c"),
        ({"tap_c": 60}, "tap_c"),
        ({"target_dough_c": 50}, "target_dough_c"),
        ({"altitude_m": 9000}, "altitude_m"),
        ({"waters": []}, "waters"),
        ({"waters": [{"g": 630, "c": 130}]}, "waters.0.c"),
        ({"dough": DOUGH | {"water_g": 0}}, "dough.water_g"),
    ],
)
def test_water_refuses_by_field(ask, change, field):
    status, problem = ask("water", {"dough": DOUGH} | change)
    assert status == 2 and problem["errors"][0]["field"] == field


NUMBERS = st.one_of(
    st.floats(allow_nan=False, allow_infinity=False), st.integers(-10, 5000), st.none(), st.text(max_size=5)
)
FIELDS = st.dictionaries(
    st.sampled_from(["pieces", "scaling_weight_g", "dough_c", "room_day_c", "room_night_c", "fridge_c", "tap_c"]),
    NUMBERS,
)
WORDS = st.dictionaries(
    st.sampled_from(
        ["ready", "ready_means", "style", "vessel_id", "culture", "sleep_from", "sleep_to", "zone", "formula_id"]
    ),
    st.one_of(st.text(max_size=30), st.none(), st.sampled_from(["2026-11-29T07:30", "cold", "22:00", "stone", "UTC"])),
)


@settings(max_examples=150, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(FIELDS, WORDS)
def test_no_question_breaks_the_planner(client, numbers, words):
    answer = client.post(
        "/api/plan", json={"formula_id": "lamplighters-tin", "ready": "2026-11-29T12:30"} | numbers | words
    )
    assert answer.status_code in (200, 422)
    body = answer.get_json()
    if answer.status_code == 422:
        assert body["errors"][0]["sentence"] and "Traceback" not in body["detail"]
    else:
        assert body["plan"]["steps"]


@settings(max_examples=100, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(st.text(max_size=400))
def test_no_pasted_text_breaks_the_reader(client, text):
    answer = client.post("/api/recipe/read", json={"text": text})
    assert answer.status_code in (200, 422)


@pytest.mark.parametrize("key", ["../../etc/passwd", "a" * 61, "a b", "%00", "ä"])
def test_keys_that_are_none_find_nothing(client, key):
    assert client.get(f"/api/plans/{key}").status_code in (404, 422)
    assert client.put(f"/api/plans/{key}", json={"formula_id": "lamplighters-tin"}).status_code in (404, 405, 422)


@pytest.mark.parametrize(
    "path", ["/../pyproject.toml", "/%2e%2e/cli.py", "/assets/../../cli.py", "/.env", "/store/models.py"]
)
def test_no_file_outside_the_pages_is_given(client, path):
    answer = client.get(path)
    assert answer.status_code in (200, 404)
    assert b"import" not in answer.data[:200] and b"[project]" not in answer.data


@pytest.mark.parametrize(
    "host", ["evil.example", "localhost.evil.example", "192.168.1.9", "127.0.0.1.evil.example:80", ""]
)
def test_foreign_hosts_are_refused_on_loopback(client, host):
    assert client.get("/api/kitchen", headers={"Host": host}).status_code in (400, 421)


@pytest.mark.parametrize("host", ["localhost", "127.0.0.1:8417", "[::1]:8417"])
def test_own_hosts_are_answered(client, host):
    assert client.get("/api/kitchen", headers={"Host": host}).status_code == 200


@pytest.mark.parametrize("method", ["post", "put", "delete"])
@pytest.mark.parametrize("origin", ["http://evil.example", "null", "https://localhost"])
def test_changes_from_other_origins_are_refused(client, method, origin):
    answer = getattr(client, method)("/api/plans/x", headers={"Origin": origin})
    if origin == "https://localhost":
        assert answer.status_code != 403
    else:
        assert answer.status_code == 403
