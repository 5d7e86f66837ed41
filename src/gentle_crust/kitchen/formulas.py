"""Formulas: kept, put away, brought back."""

import uuid
from dataclasses import dataclass
from datetime import datetime

from pydantic import TypeAdapter
from sqlalchemy.orm import Session, sessionmaker

from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.model import Formula, check
from gentle_crust.kitchen.now import Now
from gentle_crust.store.models import FormulaRow
from gentle_crust.store.repositories import Formulas

ADAPTER = TypeAdapter(Formula)


@dataclass(frozen=True)
class KeptFormula:
    """A formula with its key; ``put_away`` if it was deleted and can be brought back."""

    id: str
    formula: Formula
    put_away: bool
    updated_at: datetime


def _kept(row: FormulaRow) -> KeptFormula:
    return KeptFormula(row.id, ADAPTER.validate_python(row.body), row.deleted_at is not None, row.updated_at)


def missing(field: str) -> CraftError:
    """The error for a formula that is not there at all."""
    return CraftError(field, "That formula is not here.", "Choose one from the list of formulas.")


class FormulaBook:
    """All formulas of a kitchen."""

    def __init__(self, sessions: sessionmaker[Session], now: Now) -> None:
        self.sessions, self.now = sessions, now

    def all(self) -> tuple[KeptFormula, ...]:
        """Formulas that are not put away, oldest first."""
        with self.sessions() as session:
            return tuple(_kept(row) for row in Formulas(session).all())

    def get(self, key: str, field: str = "formula_id") -> KeptFormula:
        """One formula, put away or not; CraftError naming ``field`` if there is none."""
        with self.sessions() as session:
            row = Formulas(session).get(key)
            if row is None:
                raise missing(field)
            return _kept(row)

    def add(self, formula: Formula, key: str | None = None) -> KeptFormula:
        """Check and keep a new formula."""
        check(formula)
        now = self.now()
        row = FormulaRow(
            id=key or str(uuid.uuid4()), body=ADAPTER.dump_python(formula, mode="json"), created_at=now, updated_at=now
        )
        with self.sessions.begin() as session:
            Formulas(session).add(row)
        return _kept(row)

    def put_away(self, key: str, away: bool = True) -> KeptFormula:
        """Put a formula away, or bring it back; plans made with it keep their own copy either way."""
        with self.sessions.begin() as session:
            row = Formulas(session).get(key)
            if row is None:
                raise missing("id")
            row.deleted_at = self.now() if away else None
        return _kept(row)
