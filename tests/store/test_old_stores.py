"""Data files of every version that ever was: opened, brought up to date all or nothing, and read whole."""

import json
import sqlite3
from datetime import datetime, timedelta
from pathlib import Path

import pytest
from alembic import command

from gentle_crust import demo
from gentle_crust.api.app import create_app
from gentle_crust.contract.asked import Asked
from gentle_crust.contract.documents import ASKED, CULTURE, DOCUMENTS, FORMULA, KITCHEN, PANTRY, PLAN, VERSION
from gentle_crust.contract.kitchen import Settings
from gentle_crust.core.culture.schedule import FeedTime, Schedule
from gentle_crust.core.errors import Unreadable
from gentle_crust.core.formula.label import called
from gentle_crust.core.loaf.trial import Side, Trial
from gentle_crust.kitchen.bench import BenchBook
from gentle_crust.kitchen.beside import catch_up
from gentle_crust.kitchen.cultures import CultureBook
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.unreadable import UnreadableBook
from gentle_crust.kitchen.work import Work
from gentle_crust.store.database import (
    FILE,
    CannotOpen,
    copy_file,
    damage_of,
    known_schemas,
    make_file,
    newest_schema,
    open_store,
    schema_of,
)
from gentle_crust.text.render import say
from tests.conftest import SATURDAY
from tests.store.conftest import STORES, laid_out

SHAPES = Path(__file__).parents[1] / "data" / "shapes"


def now():
    return SATURDAY


def counts(path):
    with sqlite3.connect(path) as file:
        names = [row[0] for row in file.execute("SELECT name FROM sqlite_master WHERE type = 'table'")]
        return {name: file.execute(f"SELECT count(*) FROM {name}").fetchone()[0] for name in names}


def test_there_is_a_file_of_every_schema_but_the_newest():
    assert {path.name[:4] for path in STORES} >= set(known_schemas()) - {newest_schema()}


def test_an_old_kitchen_opens_with_all_that_is_in_it(old):
    before = counts(old / FILE)
    sessions = open_store(old)
    work = Work(sessions, now)
    book = PlanBook(work)
    catch_up(work)
    assert UnreadableBook(work).all() == ()
    assert book.settings.get().name == "Lantern Street Oven" and book.settings.get().room_day_c == 23
    assert len(book.formulas.all()) == before["formula"]
    for each in book.formulas.all():
        versions = book.formulas.versions(each.id)
        assert (versions[0].formula.name, versions[0].formula.shape) == (each.formula.name, each.formula.shape)
        assert [version.number for version in versions] == list(range(len(versions), 0, -1))
    for line in book.page().lines:
        opened = book.open(line.id).answer
        assert opened.plan.steps and opened.plan.ribbon.parts and opened.formula.flours
        assert opened.plan.ribbon.greatest_rise > 0
    assert len(CultureBook(work).all()) == before.get("culture", 0)
    assert len(BenchBook(work).view().doughs) == (3 if before["plan"] == 5 else 0)
    sessions.kw["bind"].dispose()
    after = counts(old / FILE)
    pictures = [before.pop(name, 0) for name in ("culture_photo", "culture_photo_former")]
    assert after["culture_picture"] == sum(pictures)
    kept = {name: count for name, count in before.items() if name not in ("alembic_version", "formula_version")}
    assert {name: after[name] for name in kept} == kept and schema_of(old / FILE) == newest_schema()


def test_doughs_that_were_begun_before_there_were_courses_go_on_as_they_were(tmp_path):
    """Steps to come within half an hour of what the older program said, rises within .25: it has learnt of fridges."""
    before = json.loads((SHAPES.parent / "answers" / "bench-before-courses.json").read_text())
    sessions = open_store(laid_out(next(path for path in STORES if path.name.startswith("0007")), tmp_path / "old"))
    doughs = BenchBook(Work(sessions, now)).view().doughs
    assert {dough.id for dough in doughs} == set(before)
    for dough in doughs:
        was, stands = before[dough.id], dough.live.standing
        assert stands.stage == was["stage"] and abs(stands.rise - was["rise"]) <= 0.25
        steps = {step.key: step for step in dough.live.steps}
        for key, (at, state) in was["steps"].items():
            if key.startswith("vent") and key not in steps:
                continue
            assert steps[key].state == state, key
            assert abs(steps[key].at - datetime.fromisoformat(at)) <= timedelta(minutes=30), key
    sessions.kw["bind"].dispose()


def test_the_one_picture_of_a_culture_is_the_first_of_several_and_the_one_before_can_be_had_back(tmp_path):
    sessions = open_store(laid_out(next(path for path in STORES if path.name.startswith("0009")), tmp_path / "old"))
    client = create_app(sessions, now).test_client()
    gull, brack, pip = (client.get(f"/api/cultures/{key}").json["culture"] for key in ("gull", "brack", "pip"))
    assert [len(each["pictures"]) for each in (gull, brack, pip)] == [1, 1, 0]
    assert [len(each["pictures_gone"]) for each in (gull, brack, pip)] == [1, 0, 0]
    path = f"/api/cultures/gull/pictures/{gull['pictures'][0]['id']}"
    assert client.get(path).data.startswith(b"\xff\xd8\xff")
    gone = gull["pictures_gone"][0]["id"]
    back = client.post(f"/api/cultures/gull/pictures/{gone}/restore").json["culture"]
    assert len(back["pictures"]) == 2 and not back["pictures_gone"]
    sessions.kw["bind"].dispose()


def test_a_culture_of_the_first_shape_is_fed_at_one_time_and_with_one_flour():
    body = {"name": "Gull", "flour_kind": "rye", "hydration_percent": 80, "jar": {"empty_g": 300, "diameter_mm": 80},
            "schedule": {"every_days": 7, "hour": 19.5, "weekday": 3, "then": "fridge"}}  # fmt: skip
    raised = CULTURE.read(body)
    assert raised.schedule == Schedule(7, (FeedTime(19.5, 3),), "fridge") and raised.also_flours == ()
    assert CULTURE.read(body | {"schedule": None}).schedule is None


@pytest.mark.many
def test_an_old_kitchen_goes_on_being_used(old):
    sessions = open_store(old)
    client = create_app(sessions, now).test_client()
    body = client.get("/api/formulas/tidewater-country").json
    saved = client.put(f"/api/formulas/{body['id']}", json=body["formula"] | {"hydration_percent": 71.5})
    assert saved.status_code == 200 and saved.json["version"] >= 2
    asked = client.get(f"/api/plans/{demo.TOMORROW_PLAN}").json["asked"]
    assert client.post("/api/plan", json=asked).status_code == 200
    kitchen = client.get("/api/kitchen").json
    changed = client.put("/api/kitchen", json=kitchen["settings"] | {"room_day_c": 21})
    assert changed.status_code == 200 and changed.json["can_undo"]
    assert client.post("/api/kitchen/undo").json["settings"]["room_day_c"] == 23
    sessions.kw["bind"].dispose()


def test_a_clean_copy_is_taken_first_and_never_written_over(outdated):
    was = counts(outdated / FILE)
    open_store(outdated).kw["bind"].dispose()
    (copy,) = outdated.glob(f"{FILE}.before-*")
    assert counts(copy) == was and damage_of(copy, thorough=True) == ()
    kept = copy.read_bytes()
    other = laid_out(STORES[0], outdated.parent / "other")
    copy_file(other / FILE, outdated / FILE)
    open_store(outdated).kw["bind"].dispose()
    assert copy.read_bytes() == kept


@pytest.mark.parametrize("step", ["0002", "0003", "0004", "0005", "0006"])
def test_a_change_of_schema_that_fails_leaves_all_as_it_was(tmp_path, monkeypatch, step):
    folder = laid_out(STORES[0], tmp_path / "old")
    before, was = counts(folder / FILE), schema_of(folder / FILE)
    whole = command.upgrade

    def broken(config, to):
        whole(config, step)
        raise RuntimeError("the power went")

    monkeypatch.setattr("alembic.command.upgrade", broken)
    with pytest.raises(RuntimeError):
        open_store(folder)
    assert counts(folder / FILE) == before and schema_of(folder / FILE) == was
    (copy,) = folder.glob(f"{FILE}.before-*")
    first = copy.read_bytes()
    with pytest.raises(RuntimeError):
        open_store(folder)
    assert copy.read_bytes() == first and len(list(folder.glob(f"{FILE}.before-*"))) == 1
    monkeypatch.undo()
    sessions = open_store(folder)
    assert len(PlanBook(Work(sessions, now)).formulas.all()) == before["formula"]
    sessions.kw["bind"].dispose()


def test_every_schema_can_be_made_new_and_brought_up_to_date(tmp_path):
    for schema in known_schemas():
        folder = tmp_path / schema
        folder.mkdir()
        make_file(folder, schema)
        assert schema_of(folder / FILE) == schema
        sessions = open_store(folder)
        demo.fill(sessions, now)
        assert len(PlanBook(Work(sessions, now)).page().lines) == 1
        sessions.kw["bind"].dispose()


def tables(folder):
    """Every table with the names of its columns, which of them must be filled, its key, and its indexes."""
    with sqlite3.connect(folder / FILE) as file:
        names = [row[0] for row in file.execute("SELECT name FROM sqlite_master WHERE type = 'table'")]
        columns = {name: {(row[1], row[3], row[5] > 0) for row in file.execute(f"PRAGMA table_info({name})")}
                   for name in names}  # fmt: skip
        indexes = {
            name: {
                (row[1], row[4], tuple(part[2] for part in file.execute(f"PRAGMA index_info({row[1]})")))
                for row in file.execute(f"PRAGMA index_list({name})")
                if not row[1].startswith("sqlite_")
            }
            for name in names
        }
    return columns, indexes


def test_a_new_file_is_made_as_one_that_went_through_every_change(tmp_path):
    for folder, schema in (("new", "head"), ("grown", newest_schema())):
        (tmp_path / folder).mkdir()
        make_file(tmp_path / folder, schema)
    assert tables(tmp_path / "new") == tables(tmp_path / "grown")
    assert schema_of(tmp_path / "new" / FILE) == schema_of(tmp_path / "grown" / FILE)


def test_a_file_of_a_newer_program_is_refused_and_left_alone(folder, sessions):
    sessions.kw["bind"].dispose()
    with sqlite3.connect(folder / FILE) as file:
        file.execute("UPDATE alembic_version SET version_num = '9999'")
    before = counts(folder / FILE)
    with pytest.raises(CannotOpen, match="newer version"):
        open_store(folder)
    assert counts(folder / FILE) == before


@pytest.mark.parametrize("document", DOCUMENTS, ids=[each.name.replace(" ", "-") for each in DOCUMENTS])
def test_a_document_keeps_the_shape_of_its_version(document):
    """A field that is renamed, added or dropped needs a new version, its upcaster, and a file here."""
    path = SHAPES / f"{document.name.replace(' ', '-')}-{document.version}.json"
    shape = document.adapted.adapter.json_schema(mode="serialization")
    assert path.exists(), f"write the new shape to {path.name}, and an upcaster from the version before it"
    assert json.loads(path.read_text()) == json.loads(json.dumps(shape))


@pytest.mark.parametrize("document", DOCUMENTS, ids=[each.name.replace(" ", "-") for each in DOCUMENTS])
def test_a_document_comes_back_field_by_field(document, book):
    answer = book.open(demo.TOMORROW_PLAN).answer
    values = {
        "kitchen": book.settings.get(), "pantry": book.formulas.pantry.get(), "formula": answer.formula,
        "question of the plan": answer.asked, "plan": answer.plan, "culture": book.cultures.all()[0].culture,
        "trial": Trial("Pot or stone?", (Side("a", "A", "in the pot"), Side("b", "B")), True, ("K", "M"), 1, "A."),
    }  # fmt: skip
    value = values[document.name]
    body = document.write(value)
    assert body[VERSION] == document.version and document.read(json.loads(json.dumps(body))) == value
    for field in vars(value):
        assert field in body
    with pytest.raises(Unreadable, match="newer"):
        document.read({**body, VERSION: document.version + 1})
    for odd in ({}, {"x": 1}, {**body, VERSION: "two"}):
        with pytest.raises(Unreadable):
            document.read(odd)


def test_the_first_formulas_and_plans_are_raised():
    with sqlite3.connect(":memory:") as file:
        import gzip

        file.executescript(gzip.decompress(STORES[0].read_bytes()).decode())
        bodies = [json.loads(row[0]) for row in file.execute("SELECT body FROM formula")]
        shown = json.loads(file.execute("SELECT shown FROM plan").fetchone()[0])
    assert all("preferment" in body and "preferments" not in body for body in bodies)
    raised = [FORMULA.read(body) for body in bodies]
    assert [len(each.preferments) for each in raised] == [0 if body["preferment"] is None else 1 for body in bodies]
    assert [each.yeast_percent for each in raised] == [body["instant_yeast_percent"] for body in bodies]
    assert "tap_c" not in shown and PLAN.read(shown).tap_c == 14.0
    assert bodies[0].get("preferments") is None, "reading changes nothing of what is stored"


def test_a_plan_of_sentences_is_raised_to_messages(book):
    plan = book.open(demo.TOMORROW_PLAN).answer.plan
    body = PLAN.write(plan) | {VERSION: 2}
    for step in body["steps"]:
        for caution in step["cautions"]:
            caution["text"] = "Mind it, as an older program said."
    body["feel"]["word"] = "slack, as an older program said"
    raised = PLAN.read(body)
    assert [step.cautions for step in raised.steps] == [step.cautions for step in plan.steps]
    assert str(say(raised.feel.word)) == "slack, as an older program said"
    assert str(say(PLAN.read(PLAN.write(plan)).feel.handling)) == str(say(plan.feel.handling)) != ""


def test_prices_of_the_first_pantries_are_kept_under_the_keys_of_what_they_price():
    """An ingredient goes by its key now; a name of the baker's own is its own key, and both can be said again."""
    first = {
        "flours": [],
        "prices": [
            {"name": "Salt", "price_per_kg": 0.6},
            {"name": "Fine rye", "price_per_kg": 1.3},
            {"name": "Yeast for sweet doughs", "price_per_kg": 14},
            {"name": "Sesame", "price_per_kg": 7},
        ],
    }
    pantry = PANTRY.read(first)
    assert pantry.prices_by_key() == {
        "ingredient-salt": 0.6, "flour-rye": 1.3, "yeast-osmotolerant": 14, "Sesame": 7,
    }  # fmt: skip
    assert [say(called(each.name)).sentence for each in pantry.prices] == [each["name"] for each in first["prices"]]
    assert PANTRY.read(PANTRY.write(pantry)) == pantry


def test_what_older_plans_weigh_is_called_as_it_was_written(book):
    plan = book.open(demo.TOMORROW_PLAN).answer.plan
    body = PLAN.write(plan) | {VERSION: 5}
    for stage in body["weigh"]:
        for line in stage["lines"]:
            line["name"] = "Strong white, as it was written"
    raised = PLAN.read(body)
    assert {say(line.name).sentence for stage in raised.weigh for line in stage.lines} == {
        "Strong white, as it was written"
    }
    assert [line.g for stage in raised.weigh for line in stage.lines] == [
        line.g for stage in plan.weigh for line in stage.lines
    ]


def test_a_kitchen_whose_bakes_were_never_grilled_and_a_plan_whose_yeast_was_never_tested_are_raised():
    stage = {"minutes": 20, "setpoint_c": 240, "covered": True, "fan": False}
    bake = {"id": "bake-1", "name": "Sunday", "vessel_id": "pot", "preheated": "whole", "steam": [], "stages": [stage],
            "preheat_min": 40}  # fmt: skip
    body = KITCHEN.write(Settings()) | {VERSION: 5, "bakes": [bake]}
    raised = KITCHEN.read(body)
    assert raised.bakes[0].stages[0].minutes == 20 and raised.bakes[0].stages[0].grill is False
    asked = ASKED.write(Asked("tidewater-country"))
    old = {name: value for name, value in asked.items() if name != "yeast_strength"} | {VERSION: 3}
    assert ASKED.read(old) == Asked("tidewater-country")
    before_minding = {name: value for name, value in asked.items() if name not in ("mind", "learnt")} | {VERSION: 4}
    assert ASKED.read(before_minding) == Asked("tidewater-country")
