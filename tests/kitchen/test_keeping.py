"""What is saved stays: through restarts, deleted formulas, a second fill and an older file."""

import pytest

from gentle_crust import demo
from gentle_crust.contract.asked import Asked
from gentle_crust.contract.kitchen import Settings
from gentle_crust.core.errors import CraftError
from gentle_crust.kitchen.formulas import FormulaBook
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work
from gentle_crust.store.database import CannotOpen, open_store
from tests.conftest import SATURDAY

FORMULAS = (
    "tidewater-country",
    "night-ferry-rye",
    "market-morning-baguette",
    "lamplighters-tin",
    "harbour-flat",
    "saltmarsh-spelt",
    "two-tides",
)


def now():
    return SATURDAY


@pytest.mark.parametrize("key", FORMULAS)
def test_every_default_plan_meets_the_oven_inside_its_own_target(book, key):
    plan = book.preview(Asked(key)).plan
    assert not plan.problems
    assert plan.proof.target_low <= plan.proof.share <= plan.proof.target_high


def test_the_plan_for_tomorrow_is_there_after_a_restart(folder, book):
    shown = book.open(demo.TOMORROW_PLAN)
    again = PlanBook(Work(open_store(folder), now)).open(demo.TOMORROW_PLAN)
    assert again == shown
    assert not again.answer.plan.problems


def test_a_plan_outlives_its_formula(book):
    formulas = FormulaBook(book.work.at(now))
    formulas.put_away("tidewater-country")
    assert "tidewater-country" not in [kept.id for kept in formulas.all()]
    opened = book.open(demo.TOMORROW_PLAN)
    assert opened.answer.formula.name == "Tidewater country loaf" and opened.answer.formula_put_away
    formulas.put_away("tidewater-country", away=False)
    assert not book.open(demo.TOMORROW_PLAN).answer.formula_put_away


def test_saving_the_same_key_replaces_and_putting_away_can_be_undone(book):
    asked = book.preview(Asked("lamplighters-tin")).asked
    book.save("mine", asked)
    book.save("mine", Asked("lamplighters-tin", pieces=2, ready=asked.ready))
    assert [line.pieces for line in book.page().lines if line.id == "mine"] == [2]
    book.put_away("mine")
    assert "mine" not in [line.id for line in book.page().lines]
    book.put_away("mine", away=False)
    assert book.open("mine").answer.asked.pieces == 2


def test_a_refused_plan_saves_nothing(book):
    before = book.page().lines
    with pytest.raises(CraftError):
        book.save("bad", Asked("tidewater-country", ready="2026-11-29T07:30", dough_c=90))
    with pytest.raises(CraftError):
        book.save("bad", Asked("no-such-formula"))
    assert book.page().lines == before


def test_filling_again_changes_nothing(sessions, book):
    KitchenSettings(Work(sessions, now)).save(Settings(name="Mine now"))
    demo.fill(sessions, now)
    assert KitchenSettings(Work(sessions, now)).get().name == "Mine now"
    assert len(FormulaBook(Work(sessions, now)).all()) == len(FORMULAS)


def test_a_new_kitchen_has_formulas_but_no_plan(tmp_path):
    sessions = open_store(tmp_path / "new")
    demo.start_formulas(sessions, now)
    assert len(FormulaBook(Work(sessions, now)).all()) == len(FORMULAS)
    assert PlanBook(Work(sessions, now)).page().lines == ()
    assert PlanBook(Work(sessions, now)).preview(Asked("tidewater-country")).plan.steps


def test_demo_resets_only_its_own_folder(tmp_path):
    mine = tmp_path / "mine"
    mine.mkdir()
    (mine / "bread.txt").write_text("keep me")
    for touch in (demo.reset, demo.mark):
        with pytest.raises(CannotOpen):
            touch(mine)
    assert (mine / "bread.txt").exists()
    demo.mark(tmp_path / "demo")
    demo.reset(tmp_path / "demo")
    assert list((tmp_path / "demo").iterdir()) == []


def test_database_is_kept_safely(sessions):
    with sessions() as session:
        pragmas = {name: session.connection().exec_driver_sql(f"PRAGMA {name}").scalar() for name in
                   ("journal_mode", "synchronous", "foreign_keys")}  # fmt: skip
    assert pragmas == {"journal_mode": "wal", "synchronous": 2, "foreign_keys": 1}


def test_times_of_sleep_are_read_or_refused(sessions):
    settings = KitchenSettings(Work(sessions, now))
    with pytest.raises(CraftError) as refused:
        settings.save(Settings(sleep_from="half ten"))
    assert refused.value.field == "sleep_from"
    with pytest.raises(CraftError) as refused:
        settings.save(Settings(zone="Atlantis/Main"))
    assert refused.value.field == "zone"
