"""What strangers and broken programs send: refused in words, nothing kept, nothing slow, never a failure."""

import csv
import io
import json
from pathlib import Path

import pytest

from gentle_crust.api.refusals import RESPONSES
from gentle_crust.contract.tidy import clean
from tests.api.conftest import PLAN
from tests.conftest import SATURDAY

DEEP = '{"a":' * 100_000 + "1" + "}" * 100_000
TIMES = ["0001-01-01T00:00:00Z", "9999-12-31T23:59:59Z", "2026-11-28T14:00:00", "yesterday", "2026-13-40T99:99:99Z",
         "1969-12-31T23:59:59-12:00", ""]  # fmt: skip
DESCRIPTION = Path(__file__).parents[2] / "docs" / "openapi.json"
TEXTS = ["\ud800", "half \udfff an emoji", "\x00\x07", "x" * 5000, "\u202e" * 50, "‮", "🥖" * 500]


def problem(found, *statuses):
    assert found.status_code in (statuses or (400, 404, 405, 409, 413, 415, 422)), found.data[:300]
    assert found.mimetype == "application/problem+json" and found.json["status"] == found.status_code
    assert found.json["detail"] and "Traceback" not in found.json["detail"]
    return found.json


@pytest.mark.parametrize("path", ["/api/plan", "/api/formulas/work", "/api/bench/presses", "/api/water", "/api/sour"])
@pytest.mark.parametrize("body", [DEEP, "[" * 100_000, "{", "null", "[]", '"x"', "1e999", "\x00", ""])
def test_bodies_that_are_none_are_refused(client, path, body):
    problem(client.post(path, data=body.encode(), content_type="application/json"))


def test_deep_and_long_files_are_refused(client):
    for body in (DEEP.encode(), b"[" * 200_000, b'a,"' + b"x" * 200_000, b"\xff\xfe" * 1000, b""):
        problem(client.post("/api/formulas/read-file", data=body))
        problem(client.put("/api/cultures/new-1/file", json={"text": body.decode("latin-1")}))
        problem(client.post("/api/samples/log?device=a&quantity=dough_c", data=body))


def test_more_than_is_taken_is_refused_with_what_is(client):
    found = problem(client.post("/api/plan", data=b"x" * 1_100_000, content_type="application/json"), 413)
    assert "megabyte" in found["detail"]


@pytest.mark.parametrize("path", ["/api/plans/" + "x" * 5000, "/api/formulas/%00", "/api/cultures/..%2f..%2fetc",
                                  "/api/photos/" + "%ff" * 40, "/api/nothing", "/api/plans/a%0ab"])  # fmt: skip
def test_paths_that_lead_nowhere(client, path):
    for method in (client.get, client.delete, client.put):
        assert method(path).status_code in (400, 404, 405, 415, 422)


@pytest.mark.parametrize("origin", ["http://[", "null", "http://evil.example", "//", "http://localhost:1:2", "\x01"])
def test_origins_that_are_none(client, origin):
    found = client.post("/api/plan", json={"formula_id": "x"}, headers={"Origin": origin.encode().decode("latin-1")})
    assert found.status_code in (400, 403, 422)


@pytest.mark.parametrize("host", ["evil.example", "[::", "localhost:99999999", "a" * 300, "", "127.0.0.1.evil.example"])
def test_hosts_that_are_not_the_programs_own(client, host):
    assert client.get("/api/plans", headers={"Host": host}).status_code in (200, 400, 421)
    assert client.get("/api/plans", headers={"Host": "evil.example"}).status_code == 421


@pytest.mark.many
@pytest.mark.parametrize("at", TIMES)
@pytest.mark.parametrize("kind", ["bake_note", "bake_step", "bake_changed", "bake_corrected", "absence"])
def test_times_that_no_kitchen_has(day, at, kind):
    day.mixed()
    bodies = {"bake_note": {"text": "x"}, "bake_step": {"key": "fold-1"},
              "bake_changed": {"change": {"code": "chill", "at": at, "load_at": at}},
              "bake_corrected": {"event": "p1", "at": at}, "absence": {"start": at, "end": at}}  # fmt: skip
    one = {"id": "odd", "dough": PLAN, "kind": kind, "body": bodies[kind], "at": at}
    sent = {"sent_at": SATURDAY.isoformat(), "presses": [one]}
    found = day.client.post("/api/bench/presses", json=sent)
    if found.status_code == 200:
        kept = found.json["taken"]
        assert kept == [] or (kind in ("bake_note", "bake_step") and at.startswith("2026"))
    else:
        problem(found, 422)
    assert day.client.get("/api/bench").status_code == 200 and day.done("fold-2")["refused"] is not None


@pytest.mark.parametrize("at", TIMES)
def test_figures_of_times_that_no_kitchen_has(client, at):
    one = {"device": "a", "quantity": "dough_c", "value": 24, "at": SATURDAY.isoformat()}
    problem(client.post("/api/samples", json={"sent_at": at, "samples": [one]}), 422)
    problem(client.post("/api/samples", json={"sent_at": SATURDAY.isoformat(), "samples": [one | {"at": at}]}), 422)


@pytest.mark.parametrize("text", TEXTS, ids=range(len(TEXTS)))
def test_texts_are_cleaned_at_every_door(day, text):
    day.mixed()
    culture = day.client.get("/api/cultures/gull").json["culture"]["culture"]
    formula = day.client.get("/api/formulas/tidewater-country").json
    kitchen, pantry = day.client.get("/api/kitchen").json["settings"], day.client.get("/api/pantry").json["pantry"]
    doors = [
        ("put", "/api/kitchen", kitchen | {"name": text}),
        ("put", "/api/pantry", pantry | {"prices": [{"name": text, "price_per_kg": 1}]}),
        ("put", f"/api/formulas/{formula['id']}", formula["formula"] | {"name": text}),
        ("put", "/api/cultures/gull", culture | {"name": text, "note": text}),
        ("put", "/api/cultures/gull/events/odd", {"kind": "seen", "note": text}),
        ("put", f"/api/formulas/{formula['id']}/versions/1/name", {"name": text}),
        ("post", "/api/recipe/read", {"text": text, "name": text}),
        ("post", "/api/plan", {"formula_id": text}),
    ]
    for method, path, body in doors:
        found = getattr(day.client, method)(path, data=json.dumps(body), content_type="application/json")
        assert found.status_code in (200, 404, 409, 413, 422), (path, found.data[:200])
    for kind, body in (("bake_note", {"text": text}), ("bake_probe", {"device": text}),
                       ("bake_snoozed", {"key": "fold-1", "note": text}), ("bake_step", {"key": text})):  # fmt: skip
        day.press(kind, body)
    for path in ("/api/kitchen", "/api/pantry", "/api/formulas", "/api/cultures", "/api/bench", "/api/plans",
                 "/api/cultures/gull", "/api/cultures/gull/history.csv", "/api/cultures/gull/history.json",
                 f"/api/bench/{PLAN}/record", "/api/unreadable", "/api/calendar.ics"):  # fmt: skip
        found = day.client.get(path)
        assert found.status_code == 200, path
        shown = found.data.decode("utf-8")
        assert "\\ud800" not in shown and "\x00" not in shown and "\\u0000" not in shown
    assert day.client.get("/api/unreadable").json["rows"] == []


def test_cleaning_goes_all_the_way_down():
    assert clean({"a\ud800": ["\x00b", {"c": ("\udfff", 1, None)}]}) == {"a\ufffd": ["b", {"c": ["\ufffd", 1, None]}]}


def test_a_formula_in_a_name_stays_a_name_in_a_table(client):
    culture = client.get("/api/cultures/gull").json["culture"]["culture"]
    for name in ("x,=1+1,y", "=cmd|' /C calc'!A0", "+1", "-2", "@sum(a1)", "\t=1"):
        client.put("/api/cultures/gull", json=culture | {"name": name})
        text = client.get("/api/cultures/gull/history.csv").data.decode()
        cells = [cell.strip() for row in csv.reader(io.StringIO(text)) for cell in row]
        assert not any(cell.startswith(("=", "+1", "@")) for cell in cells)


def test_a_long_life_goes_out_and_comes_in_whole(client, day):
    """Whatever the program writes of a culture it takes again: here of 2,600 events, well over a megabyte."""
    from datetime import timedelta

    start = SATURDAY - timedelta(days=400)
    events = [{"at": (start + timedelta(hours=3 * number)).isoformat(), "kind": "seen", "height_mm": 40 + number % 9,
               "note": f"look {number}, " + "and so on " * 44} for number in range(2600)]  # fmt: skip
    first = {"at": (start - timedelta(hours=2)).isoformat(), "kind": "fed", "seed_g": 20, "flour_g": 60, "water_g": 60}
    body = json.loads(day.client.get("/api/cultures/gull/history.json").data)
    body["events"] = [first, *events]
    text = json.dumps(body)
    assert len(text) > 1_200_000
    brought = day.client.put("/api/cultures/long-life/file", json={"text": text})
    assert brought.status_code == 200, brought.json["detail"]
    assert brought.json["culture"]["events_in_all"] == 2601
    written = day.client.get("/api/cultures/long-life/history.json").data.decode()
    again = day.client.put("/api/cultures/long-life-2/file", json={"text": written})
    assert again.status_code == 200
    second = day.client.get("/api/cultures/long-life-2/history.json").data.decode()
    assert [each.get("note") for each in json.loads(second)["events"]] == [
        each.get("note") for each in json.loads(written)["events"]
    ]


def test_every_operation_says_what_it_may_refuse():
    document = json.loads(DESCRIPTION.read_text(encoding="utf-8"))
    assert len(document["paths"]) > 60
    schemas = document["components"]["schemas"]
    assert {"ProblemDocument", "ChangedDocument", "FieldChange"} <= set(schemas)
    for path, operations in document["paths"].items():
        for method, operation in operations.items():
            refused = operation["responses"]
            assert {"422", "500", "503"} <= set(refused), path
            assert ("404" in refused) == ("{" in path) or "404" in refused, path
            if method in ("put", "post", "delete"):
                assert {"409", "413", "507"} <= set(refused), path
            for status in set(refused) & {str(each) for each in RESPONSES}:
                assert list(refused[status]["content"]) == ["application/problem+json"], (path, status)


def test_refusals_have_the_status_of_their_kind(client):
    assert problem(client.get("/api/plans/nobody"), 404)["title"] == "Not here"
    assert problem(client.post("/api/plan", json={"formula_id": "nobody"}), 422)["errors"][0]["field"] == "formula_id"
    out = problem(client.post("/api/plan", json={"formula_id": "tidewater-country", "pieces": 1000}), 422)
    assert "between 1 and 400" in out["detail"]
    missing = problem(client.post("/api/plan", json={}), 422)
    assert missing["errors"][0]["field"] == "formula_id"
