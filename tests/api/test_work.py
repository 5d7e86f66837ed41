"""One unit of work a request: one commit, one moment, one state; what is half done is not done."""

import threading
from collections import Counter
from datetime import timedelta

import pytest
from sqlalchemy import event

from gentle_crust.api.app import create_app
from gentle_crust.core.errors import CraftError
from gentle_crust.kitchen.cultures import CultureBook
from gentle_crust.kitchen.formulas import FormulaBook
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work
from gentle_crust.store.models import EventRow
from gentle_crust.store.repositories import Events
from tests.api.conftest import PLAN
from tests.conftest import SATURDAY


def events_of(sessions, subject):
    with sessions() as session:
        return [(row.id, row.kind) for row in session.query(EventRow).filter_by(subject=subject)]


@pytest.fixture
def commits(day):
    """How often each request kept something."""
    counted = Counter()
    engine = day.sessions.kw["bind"]

    def write(connection, *_rest):
        if connection.get_execution_options().get("immediate"):
            counted["commits"] += 1

    event.listen(engine, "commit", write)
    yield counted
    event.remove(engine, "commit", write)


def test_a_request_keeps_everything_in_one_go(day, commits):
    day.press("bake_started")
    assert commits["commits"] == 1
    day.at(8, 40).done("levain-1")
    assert commits["commits"] == 2, "the step and what it takes from the culture are one"
    presses = [{"id": f"n{number}", "dough": PLAN, "kind": "bake_note", "at": day.now.isoformat(),
                "body": {"text": str(number)}} for number in range(20)]  # fmt: skip
    day.client.post("/api/bench/presses", json={"sent_at": day.now.isoformat(), "presses": presses})
    assert commits["commits"] == 3
    commits.clear()
    day.client.get("/api/bench")
    day.client.post("/api/plan", json={"formula_id": "tidewater-country"})
    day.client.get("/api/next")
    assert commits["commits"] == 0
    formula = day.client.get("/api/formulas/tidewater-country").json
    day.client.put(f"/api/formulas/{formula['id']}", json=formula["formula"] | {"salt_percent": 1.9})
    body = {"event": "m2", "formula_id": "tidewater-country", "mixed_at": day.now.isoformat()}
    assert day.client.post("/api/bench/mixed/second", json=body).status_code == 200
    assert commits["commits"] == 2


def test_a_levain_step_and_what_it_takes_are_kept_together_or_not_at_all(day, monkeypatch):
    day.press("bake_started")
    day.at(8, 40)
    culture = day.client.get(f"/api/plans/{PLAN}").json["plan"]["starter"]["id"]
    before = events_of(day.sessions, culture)

    def cut(*_rest):
        raise KeyboardInterrupt("the power went")

    monkeypatch.setattr(CultureBook, "add", cut)
    with pytest.raises(KeyboardInterrupt):
        day.done("levain-1", key="levain")
    assert ("levain", "bake_step") not in events_of(day.sessions, PLAN)
    monkeypatch.undo()
    assert day.done("levain-1", key="levain")["taken"] == ["levain"]
    assert len(events_of(day.sessions, culture)) == len(before) + 1
    monkeypatch.setattr(CultureBook, "withdraw", cut)
    with pytest.raises(KeyboardInterrupt):
        day.press("bake_withdrawn", {"event": "levain"}, key="back")
    assert ("back", "bake_withdrawn") not in events_of(day.sessions, PLAN)
    monkeypatch.undo()
    day.press("bake_withdrawn", {"event": "levain"}, key="back")
    view = CultureBook(Work(day.sessions, lambda: day.now)).open(culture)
    assert not any(each.event.kind == "taken" and each.event.id == "levain-t" for each in view.events)


def test_a_press_that_fails_leaves_nothing_and_holds_up_no_other(day):
    day.mixed()
    at = day.now.isoformat()
    presses = [
        {"id": "good-1", "dough": PLAN, "kind": "bake_note", "body": {"text": "one"}, "at": at},
        {"id": "bad", "dough": PLAN, "kind": "bake_judged", "body": {"cues": "x"}, "at": at},
        {"id": "good-2", "dough": PLAN, "kind": "bake_note", "body": {"text": "two"}, "at": at},
    ]
    found = day.client.post("/api/bench/presses", json={"sent_at": at, "presses": presses}).json
    assert found["taken"] == ["good-1", "good-2"] and [each["id"] for each in found["refused"]] == ["bad"]


def many(count, call):
    found, threads = [], []
    ready = threading.Barrier(count)

    def go(number):
        ready.wait()
        found.append(call(number))

    for number in range(count):
        threads.append(threading.Thread(target=go, args=(number,)))
        threads[-1].start()
    for thread in threads:
        thread.join()
    return found


def test_many_that_save_one_formula_or_press_one_key_at_once_end_calmly(day):
    day.mixed()
    app = create_app(day.sessions, lambda: day.now)
    formula = day.client.get("/api/formulas/tidewater-country").json

    def save(number):
        body = formula["formula"] | {"hydration_percent": 60 + number}
        return app.test_client().put(f"/api/formulas/{formula['id']}", json=body).status_code

    assert set(many(16, save)) == {200}
    versions = day.client.get(f"/api/formulas/{formula['id']}/versions").json["versions"]
    assert len({each["formula"]["hydration_percent"] for each in versions} & set(range(60, 76))) == 16
    at = day.now.isoformat()
    one = {"id": "same", "dough": PLAN, "kind": "bake_note", "body": {"text": "same"}, "at": at}

    def press(_number):
        found = app.test_client().post("/api/bench/presses", json={"sent_at": at, "presses": [one]})
        return found.status_code, tuple(found.json["taken"])

    assert set(many(16, press)) == {(200, ("same",))}
    assert [key for key, _ in events_of(day.sessions, PLAN)].count("same") == 1

    def start(number):
        body = {"formula_id": "tidewater-country", "pieces": 1 + number % 3}
        return app.test_client().put("/api/plans/raced", json=body).status_code

    assert set(many(8, start)) == {200}
    assert sum(1 for line in day.client.get("/api/plans").json["plans"] if line["id"] == "raced") == 1


def test_an_answer_is_of_one_moment_and_one_state(day, monkeypatch):
    ticks = iter(range(10_000))
    app = create_app(day.sessions, lambda: SATURDAY + timedelta(seconds=next(ticks)))
    seen = []
    whole = Work.now

    def noted(self):
        seen.append(whole(self))
        return seen[-1]

    monkeypatch.setattr(Work, "now", noted)
    assert app.test_client().get("/api/next").status_code == 200
    assert len(seen) > 3 and len(set(seen)) == 1


def test_reads_inside_one_another_see_one_state(sessions):
    work, other = Work(sessions, lambda: SATURDAY), Work(sessions, lambda: SATURDAY)
    with work.read():
        before = KitchenSettings(work).get()
        KitchenSettings(other).save(KitchenSettings(other).get().__class__(name="Changed"))
        assert KitchenSettings(work).get() == before
    assert KitchenSettings(work).get().name == "Changed"


def test_an_inner_write_that_fails_leaves_the_outer_one_whole(sessions):
    work = Work(sessions, lambda: SATURDAY)
    book = FormulaBook(work)
    with work.write() as session:
        book.name_version("night-ferry-rye", 1, "kept")
        with pytest.raises(CraftError), work.write():
            Events(session).add(EventRow(id="half", kind="mixed", subject="", at=SATURDAY, body={}))
            session.flush()
            raise CraftError("x", "No.")
    assert book.versions("night-ferry-rye")[0].name == "kept"
    assert "half" not in [key for key, _ in events_of(sessions, "")]
    with pytest.raises(ZeroDivisionError), work.write():
        book.name_version("night-ferry-rye", 1, "lost")
        raise ZeroDivisionError
    assert book.versions("night-ferry-rye")[0].name == "kept" and work.commits == 1


def test_what_fails_after_it_was_kept_says_so_with_its_number(day, monkeypatch, caplog):
    def broken(*_rest):
        raise RuntimeError("a fault of the program")

    kitchen = day.client.get("/api/kitchen").json["settings"]
    monkeypatch.setattr("gentle_crust.api.kitchen_room.rate_of", broken)
    found = day.client.put("/api/kitchen", json=kitchen | {"room_day_c": 25})
    assert found.status_code == 500 and "kept all the same" in found.json["detail"]
    number = found.headers["X-Request-Id"]
    assert number and number in found.json["detail"] and found.json["instance"].endswith(number)
    assert number in caplog.text and "a fault of the program" in caplog.text
    read = day.client.get("/api/kitchen")
    assert read.status_code == 500 and "Nothing of it was kept" in read.json["detail"]
    monkeypatch.undo()
    assert day.client.get("/api/kitchen").json["settings"]["room_day_c"] == 25
