"""Every saved change of a formula is kept, told apart and brought back; an older file is brought up to date."""

from dataclasses import replace

import pytest

from gentle_crust import demo
from gentle_crust.core.errors import CraftError
from gentle_crust.kitchen.formulas import FormulaBook
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.work import Work
from gentle_crust.text.render import say
from tests.conftest import SATURDAY


def now():
    return SATURDAY


def test_changes_are_kept_compared_and_restored(sessions):
    book = FormulaBook(Work(sessions, now))
    first = book.get("night-ferry-rye").formula
    wetter = replace(first, hydration_percent=79, extras=first.extras)
    book.save("night-ferry-rye", wetter, "wetter")
    book.save("night-ferry-rye", wetter)
    newest, oldest = book.versions("night-ferry-rye")
    assert [str(say(line.what)) for line in newest.changes if line.differs] == ["Water"]
    assert (newest.name, oldest.changes) == ("wetter", ())
    book.restore("night-ferry-rye", 1)
    assert book.get("night-ferry-rye").formula == first
    assert [version.number for version in book.versions("night-ferry-rye")] == [3, 2, 1]
    with pytest.raises(CraftError):
        book.restore("night-ferry-rye", 9)


def test_a_saved_plan_keeps_the_version_it_was_made_with(sessions):
    book = FormulaBook(Work(sessions, now))
    before = PlanBook(Work(sessions, now)).open(demo.TOMORROW_PLAN)
    book.save("tidewater-country", replace(book.get("tidewater-country").formula, hydration_percent=70))
    plans = PlanBook(Work(sessions, now))
    opened = plans.open(demo.TOMORROW_PLAN).answer
    assert (opened.plan, opened.formula, opened.newest_version) == (before.answer.plan, before.answer.formula, 4)
    changed = plans.preview(replace(opened.asked, pieces=1))
    assert changed.formula.hydration_percent == 75.5
    assert plans.preview(replace(opened.asked, version=None)).formula.hydration_percent == 70
    with pytest.raises(CraftError) as refused:
        plans.preview(replace(opened.asked, version=9))
    assert refused.value.field == "version"


def test_any_two_versions_are_compared_and_named(sessions):
    book = FormulaBook(Work(sessions, now))
    first = book.get("night-ferry-rye").formula
    for water in (76, 77, 78):
        book.save("night-ferry-rye", replace(first, hydration_percent=water))
    book.name_version("night-ferry-rye", 2, "the good one")
    assert [version.name for version in book.versions("night-ferry-rye")] == ["", "", "the good one", ""]
    (line,) = [line for line in book.compared("night-ferry-rye", 2, 4) if line.differs]
    assert [str(say(text)) for text in (line.what, line.before, line.after)] == ["Water", "76 %", "78 %"]


def test_a_formula_that_cannot_be_made_is_not_saved(sessions):
    book = FormulaBook(Work(sessions, now))
    with pytest.raises(CraftError):
        book.save("night-ferry-rye", replace(book.get("night-ferry-rye").formula, salt_percent=9))
    assert len(book.versions("night-ferry-rye")) == 1
