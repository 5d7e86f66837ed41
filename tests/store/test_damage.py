"""One bad record costs one record: every kind of row is damaged in turn, and all else goes on."""

import io
import json
import os
import sqlite3

import pytest
from PIL import Image
from sqlalchemy import text

from gentle_crust.api.app import create_app
from gentle_crust.demo import TOMORROW_PLAN
from gentle_crust.kitchen.unreadable import UnreadableBook, as_text, keys_of
from gentle_crust.kitchen.work import Work
from gentle_crust.store.columns import NO_TIME, Damaged, Document, Instant
from gentle_crust.store.database import FILE
from gentle_crust.text.render import say
from tests.api.conftest import PLAN, Day
from tests.conftest import SATURDAY

LISTS = (
    "/api/kitchen", "/api/pantry", "/api/formulas", "/api/plans", "/api/cultures", "/api/bench", "/api/bakes",
    "/api/next", "/api/mixes", "/api/yeast-test", "/api/backups", "/api/check", "/api/unreadable",
    "/api/calendar.ics",
)  # fmt: skip
EVERY = bool(os.environ.get("GENTLE_CRUST_PROVE"))
BODIES = ("torn {", "\udcff", "{}", "[1, 2]", "17", '"words"', "[" * 5000)[: None if EVERY else 2]
TIMES = ("yesterday", "9999-12-31 23:59:59", "0001-01-01 00:00:00", "x" * 300)[: None if EVERY else 1]
"""A sample; all of them when the costly proofs are run."""


@pytest.fixture
def full(sessions):
    """A kitchen in which there is one of everything."""
    day = Day(sessions)
    day.client.put("/api/yeast-test/test-1")
    body = day.client.get("/api/formulas/tidewater-country").json
    day.client.put(f"/api/formulas/{body['id']}", json=body["formula"] | {"hydration_percent": 70.5})
    kitchen = day.client.get("/api/kitchen").json["settings"]
    day.client.put("/api/kitchen", json=kitchen | {"room_day_c": 24})
    out = io.BytesIO()
    Image.new("RGB", (40, 30), (180, 140, 90)).save(out, "JPEG")
    picture = out.getvalue()
    day.client.put("/api/cultures/gull/pictures/one", data=picture)
    at = day.now.isoformat()
    day.client.post("/api/samples", json={"sent_at": at, "samples": [
        {"device": "probe", "quantity": "dough_c", "value": 24.5, "at": at}]})  # fmt: skip
    day.mixed()
    day.press("bake_note", {"text": "before"}, key="note-1")
    day.press("reading", {"measure": "percent", "value": 20}, key="reading-1", at=day.now)
    return day


def damage(sessions, statement, **values):
    with sessions.begin() as session:
        changed = session.execute(text(statement), values).rowcount
    assert changed >= 1, statement
    sessions.kw["bind"].dispose()


def answers(day):
    """Every list and page answers; what each says."""
    found = {path: day.client.get(path) for path in LISTS}
    assert {path: each.status_code for path, each in found.items() if each.status_code != 200} == {}
    return {path: each.json for path, each in found.items() if path.startswith("/api/") and each.is_json}


PLACES = {
    "kitchen": ("body", "id = 1"),
    "pantry": ("body", "id = 1"),
    "formula": ("body", "id = 'night-ferry-rye'"),
    "formula_version": ("body", "formula_id = 'night-ferry-rye' AND number = 1"),
    "culture": ("body", "id = 'gull'"),
    "event": ("body", "id = 'note-1'"),
    "state": ("body", "kind = 'kitchen' AND number = 1"),
}


@pytest.mark.many
@pytest.mark.parametrize("body", BODIES, ids=range(len(BODIES)))
@pytest.mark.parametrize("place", PLACES)
def test_a_damaged_document_is_named_kept_and_put_away(full, place, body):
    column, where = PLACES[place]
    if place == "state" and body == "{}":
        pytest.skip("an earlier state that says nothing is one")
    kept = body.encode("utf-8", "surrogateescape")
    damage(full.sessions, f"UPDATE {place} SET {column} = CAST(:body AS TEXT) WHERE {where}", body=kept)
    found = answers(full)
    (row,) = found["/api/unreadable"]["rows"]
    assert row["place"] == place and row["sentence"] and row["what"]
    assert row["at"] is None or row["at"].startswith("2026-11")
    asked = {"place": row["place"], "key": row["key"]}
    file = full.client.get("/api/unreadable/file", query_string=asked)
    assert file.status_code == 200 and json.loads(file.data)["row"][column]
    assert full.client.post("/api/unreadable/put-away", json=asked).json["rows"] == []
    answers(full)
    assert full.client.get("/api/unreadable/file", query_string=asked).status_code == 200
    (back,) = full.client.post("/api/unreadable/bring-back", json=asked).json["rows"]
    assert (back["place"], back["key"]) == (place, row["key"])
    answers(full)
    assert full.done("fold-1")["taken"]


@pytest.mark.parametrize("column", ["asked", "formula", "shown"])
@pytest.mark.parametrize("body", BODIES[::2])
def test_a_damaged_plan_closes_its_own_dough_and_says_so(full, column, body):
    other = "second-dough"
    full.client.post(f"/api/bench/mixed/{other}", json={
        "event": "m2", "formula_id": "tidewater-country", "mixed_at": full.now.isoformat()})  # fmt: skip
    damage(full.sessions, f"UPDATE plan SET {column} = :body, updated_at = :at WHERE id = :key", body=body, key=PLAN,
           at="2026-11-28 15:00:00.000000")  # fmt: skip
    found = answers(full)
    assert [each["id"] for each in found["/api/bench"]["doughs"]] == [other]
    (aside,) = found["/api/bench"]["aside"]
    assert aside["id"] == PLAN and "cannot be read" in aside["sentence"] and "kept" in aside["sentence"]
    (row,) = found["/api/unreadable"]["rows"]
    assert (row["place"], row["key"]) == ("plan", PLAN)
    opened = full.client.get(f"/api/plans/{PLAN}")
    assert opened.status_code == 422 and opened.mimetype == "application/problem+json"
    assert full.press("bake_note", {"text": "on"}, dough=other)["taken"]


@pytest.mark.many
@pytest.mark.parametrize(
    ("place", "column", "where"),
    [
        ("formula", "updated_at", "id = 'night-ferry-rye'"),
        ("formula_version", "saved_at", "formula_id = 'night-ferry-rye'"),
        ("culture", "created_at", "id = 'gull'"),
        ("event", "at", "id = 'note-1'"),
        ("plan", "ready", "id = :plan"),
        ("instrument", "at", "device = 'probe'"),
        ("sample", "at", "device = 'probe'"),
    ],
)
@pytest.mark.parametrize("time", TIMES)
def test_a_damaged_time_costs_one_row(full, place, column, where, time):
    values = {"plan": TOMORROW_PLAN} if ":plan" in where else {}
    damage(full.sessions, f"UPDATE {place} SET {column} = :time WHERE {where}", time=time, **values)
    found = answers(full)
    assert {row["place"] for row in found["/api/unreadable"]["rows"]} == {place}


@pytest.mark.parametrize("value", ["warm", b"\x00\x01", None])
def test_a_damaged_figure_costs_one_figure(full, value):
    if value is None:
        with pytest.raises(Exception, match="NOT NULL"):
            damage(full.sessions, "UPDATE sample SET value = NULL")
        return
    damage(full.sessions, "UPDATE sample SET value = :value", value=value)
    damage(full.sessions, "UPDATE instrument SET value = :value", value=value)
    full.press("bake_probe", {"device": "probe"})
    assert {row["place"] for row in answers(full)["/api/unreadable"]["rows"]} == {"sample", "instrument"}


def test_a_damaged_picture_costs_the_picture(full):
    damage(full.sessions, "UPDATE culture_picture SET data = 'no picture'")
    (row,) = answers(full)["/api/unreadable"]["rows"]
    assert row["place"] == "culture_picture"
    asked = {"place": row["place"], "key": row["key"]}
    assert full.client.post("/api/unreadable/put-away", json=asked).json["rows"] == []
    assert full.client.get("/api/cultures/gull").json["culture"]["pictures"] == []


def test_a_kitchen_that_cannot_be_read_begins_as_every_kitchen_and_is_saved_anew(full):
    damage(full.sessions, 'UPDATE kitchen SET body = \'torn {"name": "Lantern Street Oven"\'')
    found = full.client.get("/api/kitchen").json
    assert found["settings"]["name"] == "My kitchen"
    (row,) = full.client.get("/api/unreadable").json["rows"]
    assert row["name"] == "Lantern Street Oven"
    saved = full.client.put(
        "/api/kitchen", json=found["settings"] | {"name": "Mended"}, headers={"If-Match": f'"{found["etag"]}"'}
    )
    assert saved.status_code == 200 and full.client.get("/api/unreadable").json["rows"] == []


def test_names_and_dates_are_told_as_far_as_they_can_be(full):
    with sqlite3.connect(full.sessions.kw["bind"].url.database) as file:
        body = file.execute("SELECT body FROM formula WHERE id = 'night-ferry-rye'").fetchone()[0]
    damage(full.sessions, "UPDATE formula SET body = :body WHERE id = 'night-ferry-rye'", body=body[:-7])
    (row,) = UnreadableBook(Work(full.sessions, lambda: SATURDAY)).all()
    assert row.name == "Night ferry rye" and row.at is not None and str(say(row.what)) == "a formula"


def test_nothing_is_named_in_a_whole_kitchen(full):
    assert UnreadableBook(Work(full.sessions, lambda: SATURDAY)).all() == ()
    asked = {"place": "formula", "key": "night-ferry-rye"}
    assert full.client.post("/api/unreadable/put-away", json=asked).status_code == 404
    assert full.client.get("/api/unreadable/file", query_string={"place": "nowhere", "key": "x"}).status_code == 404
    assert full.client.post("/api/unreadable/bring-back", json=asked).status_code == 404


def test_columns_mark_what_they_cannot_read():
    assert Instant().process_result_value("half past six", None) == NO_TIME
    assert Instant().process_result_value(None, None) is None
    assert Instant().process_result_value(Instant().process_bind_param(SATURDAY, None), None) == SATURDAY
    torn = Document().process_result_value("{torn", None)
    assert isinstance(torn, Damaged) and torn == {} and torn.text == "{torn"
    assert Document().process_bind_param(torn, None) == "{torn"
    assert Document().process_result_value('{"a": 1}', None) == {"a": 1}
    assert keys_of("sample") == ("device", "quantity", "at") and as_text({"data": b"\xff"}) == {"data": "ff"}


def test_a_damaged_page_is_told_as_damage_not_as_try_again(full, folder):
    engine = full.sessions.kw["bind"]
    engine.dispose()
    with sqlite3.connect(folder / FILE) as file:
        file.execute("PRAGMA wal_checkpoint(TRUNCATE)")
        root = file.execute("SELECT rootpage FROM sqlite_master WHERE name = 'formula'").fetchone()[0]
        size = file.execute("PRAGMA page_size").fetchone()[0]
    with (folder / FILE).open("r+b") as raw:
        raw.seek((root - 1) * size)
        raw.write(b"\x5a" * size)
    found = create_app(full.sessions, lambda: SATURDAY).test_client().get("/api/formulas")
    assert found.status_code == 500 and "damaged" in found.json["detail"] and "restore" in found.json["detail"]
