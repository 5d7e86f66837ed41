"""Formulas: kept, put away, brought back."""

import logging
import uuid
from dataclasses import dataclass, replace
from datetime import datetime
from typing import Any

from sqlalchemy.orm import Session

from gentle_crust.contract.conflict import ChangedMeanwhile, changes
from gentle_crust.contract.documents import FORMULA
from gentle_crust.contract.formulas import FormulaLine
from gentle_crust.contract.shown import Version
from gentle_crust.core import limits
from gentle_crust.core.course.stage_lines import compare_methods
from gentle_crust.core.course.styles import own_method
from gentle_crust.core.errors import CraftError, NotFound, Unreadable, within
from gentle_crust.core.formula.compare import Difference, compare
from gentle_crust.core.formula.model import Formula, check
from gentle_crust.core.messages import message
from gentle_crust.kitchen import states
from gentle_crust.kitchen.beside import write_formula
from gentle_crust.kitchen.pantry import PantryBook
from gentle_crust.kitchen.settings import reading_of
from gentle_crust.kitchen.work import Work
from gentle_crust.store.models import FormulaRow, VersionRow
from gentle_crust.store.repositories import Formulas
from gentle_crust.text.render import say

LOG = logging.getLogger(__name__)


@dataclass(frozen=True)
class KeptFormula:
    """A formula with its key; ``put_away`` if it was deleted and can be brought back."""

    id: str
    formula: Formula
    put_away: bool
    updated_at: datetime
    version: int = 1
    """The number of its newest version."""


def _kept(row: FormulaRow, version: int) -> KeptFormula:
    return KeptFormula(row.id, FORMULA.read(row.body), row.deleted_at is not None, row.updated_at, version)


def _formula_of(row: VersionRow) -> Formula | None:
    """A version's formula; None, said in the log, if it cannot be read."""
    try:
        return FORMULA.read(row.body)
    except Unreadable:
        LOG.warning("version %s of formula %s cannot be read", row.number, row.formula_id)
        return None


def _kept_or_none(row: FormulaRow, version: int) -> KeptFormula | None:
    """A formula; None, said in the log, if it cannot be read."""
    try:
        return _kept(row, version)
    except Unreadable:
        LOG.warning("formula %s cannot be read", row.id)
        return None


def compared(before: Formula, after: Formula) -> tuple[Difference, ...]:
    """Two states of a formula side by side: what it holds, and how it is made."""
    return (*compare(before, after), *compare_methods(before, after))


def checked(formula: Formula) -> None:
    """Raise CraftError for a formula that cannot be made, or not in its own way."""
    check(formula)
    if formula.method is not None:
        own_method(formula)


def missing(field: str) -> CraftError:
    """The error for a formula that is not there at all."""
    kind = NotFound if field == "id" else CraftError
    return kind(field, "kitchen-formula-not-here")


MOST_LINES = 40
"""Lines of a list of formulas; by a part of its name any other is found."""


class FormulaBook:
    """All formulas of a kitchen."""

    def __init__(self, work: Work) -> None:
        self.work, self.now = work, work.now
        self.pantry = PantryBook(work)

    def all(self) -> tuple[KeptFormula, ...]:
        """Formulas that are not put away, oldest first, with their own flours as they are known today."""
        pantry = self.pantry.get()
        with self.work.read() as session:
            numbers = Formulas(session).newest_numbers()
            kept = [each for row in Formulas(session).all() if (each := _kept_or_none(row, numbers.get(row.id, 1)))]
        return tuple(replace(each, formula=pantry.refreshed(each.formula)) for each in kept)

    def lines(self, name: str = "", limit: int = MOST_LINES) -> tuple[tuple[FormulaLine, ...], bool]:
        """What a list shows of formulas whose name holds ``name``, oldest first; and whether there are more."""
        with self.work.read() as session:
            found = Formulas(session).lines(name.strip(), limit + 1)
        return tuple(FormulaLine.model_validate(line) for line in found[:limit]), len(found) > limit

    def get(self, key: str, field: str = "formula_id") -> KeptFormula:
        """One formula, put away or not; CraftError naming ``field`` if there is none."""
        with self.work.read() as session:
            row = Formulas(session).get(key)
            if row is None:
                raise missing(field)
            kept = _kept(row, Formulas(session).newest(key))
        return replace(kept, formula=self.pantry.get().refreshed(kept.formula))

    def newest(self, key: str) -> int:
        """The number of a formula's newest version."""
        with self.work.read() as session:
            return Formulas(session).newest(key)

    def version(self, key: str, number: int, field: str = "number") -> Version:
        """One saved state. CraftError naming ``field`` if there is none of that number."""
        version = next((each for each in self.versions(key) if each.number == number), None)
        if version is None:
            raise CraftError(field, "kitchen-version-unknown", number=number)
        return version

    def compared(self, key: str, before: int, after: int) -> tuple[Difference, ...]:
        """Any two versions side by side, all lines, those that differ marked."""
        return compared(self.version(key, before).formula, self.version(key, after).formula)

    def name_version(self, key: str, number: int, name: str) -> None:
        """Give a version a name, or take it away with an empty one."""
        within("name", limits.VERSION_NAME_LETTERS, len(name))
        self.version(key, number)
        with self.work.write() as session:
            Formulas(session).name_version(key, number, name.strip())

    def add(self, formula: Formula, key: str | None = None, name: str = "") -> KeptFormula:
        """Check and keep a new formula."""
        checked(formula)
        now = self.now()
        body = FORMULA.write(formula)
        row = FormulaRow(id=key or str(uuid.uuid4()), body=body, created_at=now, updated_at=now)
        with self.work.write() as session:
            Formulas(session).add(row)
            session.flush()
            Formulas(session).add_version(VersionRow(formula_id=row.id, number=1, body=body, name=name, saved_at=now))
            write_formula(self.work, row, 1)
        return _kept(row, 1)

    def save(self, key: str, formula: Formula, name: str = "", base: int | None = None) -> KeptFormula:
        """Keep ``formula`` as the newest version of ``key``, or as a new formula if there is none of that key.

        Raises ChangedMeanwhile if it was made from version ``base``, and another is the newest by now.
        """
        checked(formula)
        within("name", limits.VERSION_NAME_LETTERS, len(name))
        body = FORMULA.write(formula)
        with self.work.write() as session:
            row = Formulas(session).get(key)
            if row is not None:
                newest, same = self._newest(session, key, formula)
                if base is not None and base != newest.number and not same:
                    raise self._changed(session, key, base, newest, body)
                if not same or name:
                    number = newest.number + 1
                    Formulas(session).add_version(
                        VersionRow(formula_id=key, number=number, body=body, name=name, saved_at=self.now())
                    )
                row.body, row.updated_at, row.deleted_at = body, self.now(), None
                session.flush()
                number = Formulas(session).newest(key)
                write_formula(self.work, row, number)
                return _kept(row, number)
            return self.add(formula, key, name)

    def _newest(self, session: Session, key: str, formula: Formula) -> tuple[VersionRow, bool]:
        """The newest version, and whether it says the same as ``formula``, own flours as known today or then."""
        newest = session.get_one(VersionRow, (key, Formulas(session).newest(key)))
        try:
            kept = FORMULA.read(newest.body)
            return newest, formula in (kept, self.pantry.get().refreshed(kept))
        except Unreadable:
            return newest, False

    def _changed(
        self, session: Session, key: str, base: int, newest: VersionRow, body: dict[str, Any]
    ) -> ChangedMeanwhile:
        began = Formulas(session).version(key, base)
        before = None if began is None else states.plain(began.body)
        found = changes(before, states.plain(body) or {}, states.plain(newest.body) or {})
        return ChangedMeanwhile("formula", str(newest.number), found)

    def versions(self, key: str) -> tuple[Version, ...]:
        """All saved states of a formula, the newest first, each with how it differs from the one before it."""
        self.get(key, "id")
        with self.work.read() as session:
            readable = [(row, read) for row in Formulas(session).versions(key) if (read := _formula_of(row))]
        rows, formulas = [row for row, _ in readable], [each for _, each in readable]
        found = []
        for place, row in enumerate(rows):
            earlier = formulas[place + 1] if place + 1 < len(rows) else None
            changes = compared(earlier, formulas[place]) if earlier else ()
            found.append(Version(row.number, row.name, row.saved_at, formulas[place], changes))
        return tuple(found)

    def restore(self, key: str, number: int) -> KeptFormula:
        """Bring an earlier version back: it is saved again as the newest, and nothing is lost."""
        version = self.version(key, number)
        return self.save(
            key,
            version.formula,
            say(message("kitchen-version-restored", number=number), reading_of(self.work)).sentence,
        )

    def put_away(self, key: str, away: bool = True) -> KeptFormula:
        """Put a formula away, or bring it back; plans made with it keep their own copy either way."""
        with self.work.write() as session:
            row = Formulas(session).get(key)
            if row is None:
                raise missing("id")
            row.deleted_at = self.now() if away else None
            return _kept(row, Formulas(session).newest(key))
