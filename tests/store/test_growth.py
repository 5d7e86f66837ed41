"""A kitchen grown large answers as an empty one does: as many looks at the data, each along an index, no more rows."""

import re
import sqlite3
from collections import Counter
from pathlib import Path

import pytest
from fill import NOW, base, grow
from sqlalchemy import event

from gentle_crust import demo
from gentle_crust.api.app import create_app
from gentle_crust.store.database import FILE, open_store

ASKED = ("bench", "next", "plans", f"plans/{demo.TOMORROW_PLAN}", "formulas", "formulas?name=tide", "cultures",
         "bakes", "bakes?name=tide", "bench/score", "kitchen")  # fmt: skip
GROWS = ("event", "sample", "plan", "plan_step", "bake", "formula", "formula_version", "state")
SCANNED = re.compile(rf"^SCAN ({'|'.join(GROWS)})\b(?! USING (COVERING )?INDEX)")


class Kitchen:
    """A kitchen on disk, with what is asked of its data file while it answers."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder
        self.sessions = open_store(folder)
        self.engine = self.sessions.kw["bind"]
        self.client = create_app(self.sessions, lambda: NOW).test_client()
        self.asked: list[tuple[str, object]] = []
        event.listen(self.engine, "before_cursor_execute", self._note)
        self.dough = self.client.get("/api/bench").json["doughs"][0]["id"]

    def _note(self, _connection, _cursor, statement, values, *_):
        self.asked.append((statement, values))

    def looks(self, act) -> list[tuple[str, object]]:
        """The statements of a request, once what is read once has been read."""
        act()
        self.asked.clear()
        act()
        return [each for each in self.asked if each[0].lstrip().upper().startswith(("SELECT", "WITH"))]

    def get(self, path: str) -> list[tuple[str, object]]:
        def act():
            assert self.client.get(f"/api/{path}").status_code == 200, path

        return self.looks(act)

    def press(self) -> list[tuple[str, object]]:
        keys = iter(("one", "two"))

        def act():
            press = {"id": next(keys), "dough": self.dough, "kind": "bake_note", "at": NOW.isoformat(),
                     "body": {"text": "Warm."}}  # fmt: skip
            body = {"sent_at": NOW.isoformat(), "presses": [press]}
            assert self.client.post("/api/bench/presses", json=body).json["taken"] == [press["id"]]

        return self.looks(act)


@pytest.fixture(scope="module")
def small(tmp_path_factory):
    folder = tmp_path_factory.mktemp("small") / "data"
    base(folder, 20)
    yield Kitchen(folder)


@pytest.fixture(scope="module")
def large(tmp_path_factory):
    folder = tmp_path_factory.mktemp("large") / "data"
    grow(folder, 600)
    yield Kitchen(folder)


def plans_of(kitchen: Kitchen, looks) -> list[str]:
    """How SQLite goes about some statements."""
    with sqlite3.connect(kitchen.folder / FILE) as file:
        return [
            row[3] for statement, values in looks for row in file.execute(f"EXPLAIN QUERY PLAN {statement}", values)
        ]


def shapes(looks) -> Counter:
    """Statements without how many keys they name."""
    return Counter(re.sub(r"\(\?(, \?)*\)", "(…)", statement) for statement, _ in looks)


@pytest.mark.parametrize("path", ASKED)
def test_as_many_looks_as_in_an_empty_kitchen(small, large, path):
    few, many = shapes(small.get(path)), shapes(large.get(path))
    assert sum(many.values()) <= sum(few.values()) + 1, many - few


def test_a_press_looks_no_more_often(small, large):
    few, many = shapes(small.press()), shapes(large.press())
    assert sum(many.values()) <= sum(few.values()), many - few


@pytest.mark.parametrize("path", ASKED)
def test_every_look_goes_along_an_index(large, path):
    found = [line for line in plans_of(large, large.get(path)) if SCANNED.match(line)]
    assert found == []


def test_a_press_goes_along_indexes(large):
    assert [line for line in plans_of(large, large.press()) if SCANNED.match(line)] == []


def test_the_check_would_see_a_look_at_every_row(large):
    looks = [("SELECT * FROM bake WHERE pieces > ?", (1,))]
    assert [line for line in plans_of(large, looks) if SCANNED.match(line)]


def test_bakes_come_by_pages_each_once_and_the_latest_first(large):
    seen, more = [], ""
    while True:
        page = large.client.get("/api/bakes", query_string={"more": more}).json
        seen += page["bakes"]
        more = page["more"]
        if not more:
            break
    assert len(seen) == len({line["id"] for line in seen}) >= 600
    order = [line["out"] or line["started"] for line in seen]
    assert order == sorted(order, reverse=True)


def test_plans_come_by_pages_each_once_the_latest_wanted_first(large):
    seen, more = [], ""
    while len(seen) < 2000:
        page = large.client.get("/api/plans", query_string={"more": more}).json
        seen += page["plans"]
        more = page["more"]
        if not more:
            break
    assert len(seen) == len({line["id"] for line in seen}) >= 660
    assert [line["ready"] for line in seen] == sorted((line["ready"] for line in seen), reverse=True)
    assert {line["state"] for line in seen} == {"planned", "on_bench", "baked"}


def test_a_bake_and_a_formula_are_found_by_a_part_of_their_name(large):
    assert large.client.get("/api/bakes?name=COUNTRY").json["bakes"]
    assert large.client.get("/api/bakes?name=100%25").json["bakes"] == []
    found = large.client.get("/api/formulas?name=ferry").json["formulas"]
    assert found and all("ferry" in line["name"].lower() for line in found)


@pytest.mark.parametrize("more", ("x", "99999999T063000.000000_a", "_", "2026_x"))
def test_a_page_that_no_list_named_is_refused(large, more):
    answer = large.client.get("/api/bakes", query_string={"more": more})
    assert answer.status_code == 422 and answer.json["errors"][0]["field"] == "more"


def test_a_plan_that_goes_to_the_bench_keeps_no_earlier_states(tmp_path):
    base(tmp_path / "data")
    kitchen = Kitchen(tmp_path / "data")
    path = f"/api/plans/{demo.TOMORROW_PLAN}"
    asked = kitchen.client.get(path).json["asked"]
    for pieces in (3, 4):
        assert kitchen.client.put(path, json=asked | {"pieces": pieces}).status_code == 200
    assert kitchen.client.get(path).json["can_undo"]
    press = {"id": "go", "dough": demo.TOMORROW_PLAN, "kind": "bake_started", "at": NOW.isoformat(), "body": {}}
    body = {"sent_at": NOW.isoformat(), "presses": [press]}
    assert kitchen.client.post("/api/bench/presses", json=body).json["taken"] == ["go"]
    with sqlite3.connect(kitchen.folder / FILE) as file:
        held = file.execute("SELECT count(*) FROM state WHERE subject = ?", (demo.TOMORROW_PLAN,)).fetchone()[0]
    assert held == 1 and not kitchen.client.get(path).json["can_undo"]


def test_what_stands_beside_is_written_anew_where_another_rule_wrote_it(tmp_path):
    grow(tmp_path / "data", 5)
    with sqlite3.connect(tmp_path / "data" / FILE) as file:
        told = [file.execute(f"SELECT * FROM {table} ORDER BY 1, 2").fetchall() for table in ("bake", "plan_step")]
        file.execute("DELETE FROM plan_step")
        file.execute("UPDATE bake SET rule = 0, name = 'wrong', leaves = '9999-12-31 00:00:00.000000'")
        file.execute("DELETE FROM bake WHERE id LIKE '%-3'")
        file.execute("UPDATE plan SET rule = 0, name = NULL, begins = NULL")
        file.execute("UPDATE formula SET rule = 99, line = NULL, name = NULL")
    kitchen = Kitchen(tmp_path / "data")
    assert len(kitchen.client.get("/api/bench").json["doughs"]) == 3
    assert kitchen.client.get("/api/formulas?name=ferry").json["formulas"]
    with sqlite3.connect(tmp_path / "data" / FILE) as file:
        assert told[1] == file.execute("SELECT * FROM plan_step ORDER BY 1, 2").fetchall()
        again = file.execute("SELECT * FROM bake ORDER BY 1, 2").fetchall()
    assert {row[0]: row[1:4] for row in again} == {row[0]: row[1:4] for row in told[0]}
