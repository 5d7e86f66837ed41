"""Every saved change of a formula is kept, told apart and brought back; an older file is brought up to date."""

import sqlite3
from dataclasses import replace

import pytest

from gentle_crust import demo
from gentle_crust.core.errors import CraftError
from gentle_crust.kitchen.formulas import FormulaBook
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.store.database import FILE, open_store
from tests.conftest import SATURDAY


def now():
    return SATURDAY


def test_changes_are_kept_compared_and_restored(sessions):
    book = FormulaBook(sessions, now)
    first = book.get("tidewater-country").formula
    wetter = replace(first, hydration_percent=79, extras=first.extras)
    book.save("tidewater-country", wetter, "wetter")
    book.save("tidewater-country", wetter)
    newest, oldest = book.versions("tidewater-country")
    assert [line.what for line in newest.changes if line.differs] == ["Water"]
    assert (newest.name, oldest.changes) == ("wetter", ())
    book.restore("tidewater-country", 1)
    assert book.get("tidewater-country").formula == first
    assert [version.number for version in book.versions("tidewater-country")] == [3, 2, 1]
    with pytest.raises(CraftError):
        book.restore("tidewater-country", 9)


def test_a_saved_plan_keeps_the_version_it_was_made_with(sessions):
    book = FormulaBook(sessions, now)
    before = PlanBook(sessions, now).open(demo.TOMORROW_PLAN)
    book.save("tidewater-country", replace(book.get("tidewater-country").formula, hydration_percent=70))
    assert PlanBook(sessions, now).open(demo.TOMORROW_PLAN) == before


def test_a_formula_that_cannot_be_made_is_not_saved(sessions):
    book = FormulaBook(sessions, now)
    with pytest.raises(CraftError):
        book.save("tidewater-country", replace(book.get("tidewater-country").formula, salt_percent=9))
    assert len(book.versions("tidewater-country")) == 1


def test_an_older_file_is_copied_first_and_its_formulas_become_first_versions(folder, sessions):
    sessions.kw["bind"].dispose()
    with sqlite3.connect(folder / FILE) as file:
        file.execute("DROP TABLE formula_version")
        file.execute("UPDATE alembic_version SET version_num = '0001'")
    reopened = open_store(folder)
    assert list(folder.glob("*.before-*"))
    assert [version.number for version in FormulaBook(reopened, now).versions("night-ferry-rye")] == [1]
    reopened.kw["bind"].dispose()
