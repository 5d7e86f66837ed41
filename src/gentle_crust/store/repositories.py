"""Reading and writing the tables, one small class each; the caller owns the session and its commit."""

from collections.abc import Sequence
from datetime import datetime
from typing import Any

from sqlalchemy import Row, case, delete, func, or_, select, text
from sqlalchemy.orm import Session

from gentle_crust.store.columns import Damaged
from gentle_crust.store.models import (
    CultureRow,
    DeviceRow,
    EventRow,
    FormulaRow,
    KitchenRow,
    MarkRow,
    PantryRow,
    PictureRow,
    StateRow,
    VersionRow,
)


class Single:
    """A table of one row."""

    row: type[KitchenRow] | type[PantryRow]

    def __init__(self, session: Session) -> None:
        self.session = session

    def get(self) -> dict[str, Any] | None:
        """As it was saved; None before it ever was."""
        found = self.session.get(self.row, 1)
        return found.body if found else None

    def put(self, body: dict[str, Any], now: datetime) -> None:
        """Save it."""
        self.session.merge(self.row(id=1, body=body, updated_at=now))


class Kitchens(Single):
    """The one kitchen."""

    row = KitchenRow


class Pantries(Single):
    """The one pantry."""

    row = PantryRow


class States:
    """Earlier states of what there is one of."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def newest(self, kind: str, subject: str) -> int:
        """The greatest number; 0 without any."""
        wanted = select(func.max(StateRow.number)).where(StateRow.kind == kind, StateRow.subject == subject)
        return self.session.scalar(wanted) or 0

    def before(self, kind: str, subject: str, number: int) -> int | None:
        """The greatest number below ``number``."""
        wanted = select(func.max(StateRow.number)).where(StateRow.kind == kind, StateRow.subject == subject)
        return self.session.scalar(wanted.where(StateRow.number < number))

    def body(self, kind: str, subject: str, number: int) -> dict[str, Any] | None:
        """One state."""
        row = self.session.get(StateRow, (kind, subject, number))
        return None if row is None or isinstance(row.body, Damaged) else row.body

    def add(self, kind: str, subject: str, number: int, body: dict[str, Any], at: datetime) -> None:
        """Another state."""
        self.session.add(StateRow(kind=kind, subject=subject, number=number, body=body, saved_at=at))
        self.session.flush()

    def forget(self, kind: str, subject: str, below: int) -> None:
        """Drop states with smaller numbers."""
        old = delete(StateRow).where(StateRow.kind == kind, StateRow.subject == subject, StateRow.number < below)
        self.session.execute(old)


PlainEvent = tuple[str, str, datetime, dict[str, Any]]
"""Key, kind, instant and body of an event."""


_PLAIN = (EventRow.id, EventRow.kind, EventRow.at, EventRow.body)


def _plain(row: Row[PlainEvent]) -> PlainEvent:
    return row[0], row[1], row[2], row[3]


class Events:
    """What happened, only ever added to."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def add(self, row: EventRow) -> None:
        """Add an event, unless its key is already there."""
        if self.session.get(EventRow, row.id) is None:
            self.session.add(row)

    def get(self, key: str) -> EventRow | None:
        """One event."""
        return self.session.get(EventRow, key)

    def keys_of_kind(self, kind: str) -> set[str]:
        """The keys of all events of a kind."""
        return set(self.session.scalars(select(EventRow.id).where(EventRow.kind == kind)))

    def keys(self, wanted: tuple[str, ...]) -> set[str]:
        """Which of these keys are taken."""
        found: set[str] = set()
        for start in range(0, len(wanted), 500):
            part = wanted[start : start + 500]
            found |= set(self.session.scalars(select(EventRow.id).where(EventRow.id.in_(part))))
        return found

    def plain(
        self, *kinds: str, subject: str, last: int | None = None, since: datetime | None = None
    ) -> list[PlainEvent]:
        """Events of some kinds about one subject, the oldest first; of one instant, as they came in.

        Only the ``last`` so many if that is given, only those from an instant on if that is.
        """
        wanted = select(*_PLAIN).where(EventRow.subject == subject, EventRow.kind.in_(kinds))
        if since is not None:
            wanted = wanted.where(EventRow.at >= since)
        newest_first = wanted.order_by(EventRow.at.desc(), text("event.rowid DESC")).limit(last)
        return [_plain(row) for row in self.session.execute(newest_first)][::-1]

    def about(self, subjects: tuple[str, ...], kinds: tuple[str, ...]) -> dict[str, list[PlainEvent]]:
        """Events of some kinds about several subjects in one look, each subject's oldest first."""
        found: dict[str, list[PlainEvent]] = {}
        for start in range(0, len(subjects), 500):
            wanted = select(EventRow.subject, *_PLAIN).where(
                EventRow.subject.in_(subjects[start : start + 500]), EventRow.kind.in_(kinds)
            )
            for row in self.session.execute(wanted.order_by(EventRow.at, text("event.rowid"))):
                found.setdefault(row[0], []).append((row[1], row[2], row[3], row[4]))
        return found

    def of_subjects(self, subjects: tuple[str, ...]) -> dict[str, list[PlainEvent]]:
        """All events about several subjects, of whatever kind, each subject's in the order in which they came in."""
        found: dict[str, list[PlainEvent]] = {}
        for start in range(0, len(subjects), 500):
            wanted = select(EventRow.subject, *_PLAIN).where(EventRow.subject.in_(subjects[start : start + 500]))
            for row in self.session.execute(wanted.order_by(text("event.rowid"))):
                found.setdefault(row[0], []).append((row[1], row[2], row[3], row[4]))
        return found

    def rows(self, keys: tuple[str, ...]) -> list[EventRow]:
        """Events by their keys."""
        found: list[EventRow] = []
        for start in range(0, len(keys), 500):
            found += self.session.scalars(select(EventRow).where(EventRow.id.in_(keys[start : start + 500])))
        return found

    def of_keys(self, keys: tuple[str, ...]) -> list[PlainEvent]:
        """Events by their keys, the oldest first."""
        wanted = select(*_PLAIN).where(EventRow.id.in_(keys)).order_by(EventRow.at, text("event.rowid"))
        return [_plain(row) for row in self.session.execute(wanted)] if keys else []

    def count(self, *kinds: str, subject: str) -> int:
        """How many events of some kinds there are about one subject."""
        wanted = select(func.count()).where(EventRow.subject == subject, EventRow.kind.in_(kinds))
        return self.session.scalar(wanted) or 0

    def any(self, kind: str, subject: str) -> bool:
        """Whether anything whose key begins with ``subject`` has an event of this kind."""
        wanted = select(EventRow.id).where(EventRow.kind == kind, EventRow.subject.startswith(subject, autoescape=True))
        return self.session.execute(wanted.limit(1)).first() is not None

    def forget(self, subject: str) -> None:
        """Throw away all events about a subject."""
        self.session.execute(delete(EventRow).where(EventRow.subject == subject))

    def newest(self) -> int:
        """A number that grows with every event."""
        return int(self.session.execute(text("SELECT COALESCE(MAX(rowid), 0) FROM event")).scalar_one())

    def marks_of(self, subjects: Sequence[str]) -> dict[str, tuple[int, int]]:
        """Of each of some subjects two numbers, of which one changes whenever an event comes or goes."""
        wanted = select(EventRow.subject, func.max(text("event.rowid")), func.count())
        rows = self.session.execute(wanted.where(EventRow.subject.in_(subjects)).group_by(EventRow.subject))
        return {row[0]: (int(row[1]), int(row[2])) for row in rows}


class Devices:
    """Phones and other devices that were let in."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def add(self, row: DeviceRow) -> None:
        """One more."""
        self.session.add(row)

    def of_token(self, token: str) -> DeviceRow | None:
        """The device of a token's hash, unless it was shown out."""
        wanted = select(DeviceRow).where(DeviceRow.token == token, DeviceRow.revoked.is_(None))
        return self.session.scalars(wanted).first()

    def get(self, key: str) -> DeviceRow | None:
        """One device, shown out or not."""
        return self.session.get(DeviceRow, key)

    def all(self) -> Sequence[DeviceRow]:
        """Those that may come in, the one seen last first."""
        wanted = select(DeviceRow).where(DeviceRow.revoked.is_(None))
        return self.session.scalars(wanted.order_by(DeviceRow.seen.desc(), DeviceRow.id)).all()


class Marks:
    """How far something that is done bit by bit has come."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def get(self, name: str) -> datetime | None:
        """The instant up to which it is done; None before it was ever begun."""
        row = self.session.get(MarkRow, name)
        return None if row is None else row.at

    def put(self, name: str, at: datetime) -> None:
        """It is done up to ``at``."""
        self.session.merge(MarkRow(name=name, at=at))
        self.session.flush()


class Cultures:
    """Cultures, those that were put away too."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def all(self) -> Sequence[CultureRow]:
        """Cultures in the order in which they came into the kitchen."""
        return self.session.scalars(select(CultureRow).order_by(CultureRow.created_at, CultureRow.id)).all()

    def names(self) -> dict[str, str]:
        """What each is called, those that were put away too."""
        rows = self.session.execute(select(CultureRow.id, inside(CultureRow.body, "$.name")))
        return {row[0]: str(row[1] or "?") for row in rows}

    def get(self, key: str) -> CultureRow | None:
        """One culture, put away or not."""
        return self.session.get(CultureRow, key)

    def add(self, row: CultureRow) -> None:
        """A new culture."""
        self.session.add(row)

    def picture(self, key: str) -> PictureRow | None:
        """One picture, taken away or not."""
        return self.session.get(PictureRow, key)

    def add_picture(self, row: PictureRow) -> None:
        """A new picture."""
        self.session.add(row)

    def pictures(self, culture: str) -> Sequence[tuple[str, datetime, datetime | None]]:
        """Keys of a culture's pictures in the order of their times, when taken, and when taken away; not the data."""
        columns = (PictureRow.id, PictureRow.taken_at, PictureRow.removed_at)
        wanted = select(*columns).where(PictureRow.culture_id == culture)
        rows = self.session.execute(wanted.order_by(PictureRow.taken_at, PictureRow.id))
        return [(row[0], row[1], row[2]) for row in rows]


def inside(column: Any, path: str) -> Any:
    """A part of a document; NULL of one that is no JSON."""
    return case((func.json_valid(column) == 1, func.json_extract(column, path)), else_=None)


def another(column: Any, rule: int) -> Any:
    """Whether a rule's number is another than ``rule``, in words that an index answers."""
    return or_(column < rule, column > rule)


class Formulas:
    """Formulas, without those put away unless asked for."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def all(self) -> Sequence[FormulaRow]:
        """Formulas in the order in which they were made."""
        living = select(FormulaRow).where(FormulaRow.deleted_at.is_(None))
        return self.session.scalars(living.order_by(FormulaRow.created_at, FormulaRow.id)).all()

    def lines(self, name: str, limit: int) -> list[dict[str, Any]]:
        """What a list shows of formulas whose name holds ``name``, in the order of making."""
        wanted = select(FormulaRow.line)
        wanted = wanted.where(FormulaRow.deleted_at.is_(None), FormulaRow.line.is_not(None))
        if name:
            wanted = wanted.where(FormulaRow.name.icontains(name, autoescape=True))
        found = self.session.scalars(wanted.order_by(FormulaRow.created_at, FormulaRow.id).limit(limit))
        return [line for line in found if line is not None]

    def of_another_rule(self, rule: int) -> list[str]:
        """Keys of formulas whose line was not read off them by that rule."""
        return list(self.session.scalars(select(FormulaRow.id).where(another(FormulaRow.rule, rule))))

    def newest_of(self, keys: Sequence[str]) -> dict[str, int]:
        """The numbers of some formulas' newest versions."""
        wanted = select(VersionRow.formula_id, func.max(VersionRow.number)).where(VersionRow.formula_id.in_(keys))
        return {row[0]: int(row[1]) for row in self.session.execute(wanted.group_by(VersionRow.formula_id))}

    def get(self, key: str) -> FormulaRow | None:
        """One formula, put away or not."""
        return self.session.get(FormulaRow, key)

    def add(self, row: FormulaRow) -> None:
        """A new formula."""
        self.session.add(row)

    def newest(self, key: str) -> int:
        """The number of a formula's newest version; 0 if it has none."""
        return self.session.scalar(select(func.max(VersionRow.number)).where(VersionRow.formula_id == key)) or 0

    def version(self, key: str, number: int) -> VersionRow | None:
        """One saved state of a formula."""
        return self.session.get(VersionRow, (key, number))

    def newest_numbers(self) -> dict[str, int]:
        """The numbers of all formulas' newest versions."""
        wanted = select(VersionRow.formula_id, func.max(VersionRow.number)).group_by(VersionRow.formula_id)
        return {row[0]: int(row[1]) for row in self.session.execute(wanted)}

    def versions(self, key: str) -> Sequence[VersionRow]:
        """All saved states of a formula, the newest first."""
        of_it = select(VersionRow).where(VersionRow.formula_id == key)
        return self.session.scalars(of_it.order_by(VersionRow.number.desc())).all()

    def name_version(self, key: str, number: int, name: str) -> None:
        """Call a saved state something."""
        self.session.get_one(VersionRow, (key, number)).name = name

    def add_version(self, row: VersionRow) -> None:
        """Another saved state."""
        self.session.add(row)
