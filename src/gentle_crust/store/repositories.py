"""Reading and writing the tables, one small class each; the caller owns the session and its commit."""

from collections.abc import Sequence
from datetime import datetime
from itertools import pairwise
from typing import Any, NamedTuple

from sqlalchemy import Float, Row, String, bindparam, case, cast, delete, func, or_, select, text, tuple_
from sqlalchemy.dialects.sqlite import insert
from sqlalchemy.orm import Session

from gentle_crust.store.columns import Damaged, Instant
from gentle_crust.store.models import (
    BakeRow,
    CultureRow,
    DeviceRow,
    EventRow,
    FormerPhotoRow,
    FormulaRow,
    InstrumentRow,
    KitchenRow,
    MarkRow,
    PantryRow,
    PhotoRow,
    PlanRow,
    PlanStepRow,
    SampleRow,
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

    def newest(self) -> int:
        """A number that grows with every event."""
        return int(self.session.execute(text("SELECT COALESCE(MAX(rowid), 0) FROM event")).scalar_one())

    def marks_of(self, subjects: Sequence[str]) -> dict[str, tuple[int, int]]:
        """Of each of some subjects two numbers, of which one changes whenever an event comes or goes."""
        wanted = select(EventRow.subject, func.max(text("event.rowid")), func.count())
        rows = self.session.execute(wanted.where(EventRow.subject.in_(subjects)).group_by(EventRow.subject))
        return {row[0]: (int(row[1]), int(row[2])) for row in rows}


class Samples:
    """Figures of instruments."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def add(self, rows: Sequence[tuple[str, str, datetime, float]]) -> None:
        """Add figures; those already there (same device, quantity and instant) are left as they are."""
        if rows:
            names = ("device", "quantity", "at", "value")
            figures = [dict(zip(names, row, strict=True)) for row in rows]
            self.session.execute(insert(SampleRow).on_conflict_do_nothing(), figures)
            newest = {(one["device"], one["quantity"]): one for one in sorted(figures, key=lambda one: one["at"])}
            added = insert(InstrumentRow)
            later = {"at": added.excluded.at, "value": added.excluded.value}
            newer = added.on_conflict_do_update(
                index_elements=["device", "quantity"], set_=later, where=InstrumentRow.at < added.excluded.at
            )
            self.session.execute(newer, list(newest.values()))

    def since(self, device: str, quantity: str, since: datetime, until: datetime) -> list[tuple[datetime, float]]:
        """Figures of one instrument between two instants, about one a minute, the oldest first."""
        names = {"device": device, "quantity": quantity, "since": since, "until": until}
        return [(row[0], row[1]) for row in self.session.execute(_BY_THE_MINUTE, names)]

    def first_since(self, since: datetime) -> datetime | None:
        """The first instant from ``since`` on at which any instrument sent a figure."""
        pairs = self.session.execute(select(InstrumentRow.device, InstrumentRow.quantity)).all()
        firsts = [
            self.session.scalar(
                select(func.min(SampleRow.at)).where(
                    SampleRow.device == device, SampleRow.quantity == quantity, SampleRow.at >= since
                )
            )
            for device, quantity in pairs
        ]
        return min((first for first in firsts if first is not None), default=None)

    def thin(self, since: datetime, until: datetime, spans: Sequence[tuple[datetime, datetime]]) -> int:
        """Let figures between two instants go, but the first, lowest and highest of each stretch; how many went.

        A stretch is a minute within ``spans`` (apart from one another), a quarter of an hour elsewhere.
        """
        edges = sorted({since, until, *(min(max(at, since), until) for span in spans for at in span)})
        gone = 0
        for device, quantity in self.session.execute(select(InstrumentRow.device, InstrumentRow.quantity)).all():
            for begin, end in pairwise(edges):
                fine = any(first <= begin and end <= last for first, last in spans)
                names = {
                    "device": device,
                    "quantity": quantity,
                    "since": begin,
                    "until": end,
                    "minutes": 1 if fine else 15,
                }
                gone += int(getattr(self.session.execute(_THIN, names), "rowcount", 0))
        return gone

    def heard(self, device: str, quantity: str) -> datetime | None:
        """When an instrument was last heard of."""
        found = self.session.get(InstrumentRow, (device, quantity))
        return None if found is None else found.at

    def latest(self) -> list[tuple[str, str, datetime, float]]:
        """The last figure of each device and quantity."""
        rows = self.session.scalars(select(InstrumentRow).order_by(InstrumentRow.device, InstrumentRow.quantity))
        return [(row.device, row.quantity, row.at, row.value) for row in rows]


_THIN = text(
    """DELETE FROM sample WHERE device = :device AND quantity = :quantity AND at IN (
         SELECT at FROM (
           SELECT at, row_number() OVER (PARTITION BY stretch ORDER BY at) AS place,
             row_number() OVER (PARTITION BY stretch ORDER BY value, at) AS low,
             row_number() OVER (PARTITION BY stretch ORDER BY value DESC, at) AS high
           FROM (SELECT at, value, substr(at, 1, 13) || (substr(at, 15, 2) / :minutes) AS stretch FROM sample
                 WHERE device = :device AND quantity = :quantity AND at >= :since AND at < :until))
         WHERE place > 1 AND low > 1 AND high > 1)"""
).bindparams(bindparam("since", type_=Instant), bindparam("until", type_=Instant))


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


_BY_THE_MINUTE = (
    text(
        """WITH RECURSIVE hop(at) AS (
             SELECT MIN(at) FROM sample WHERE device = :device AND quantity = :quantity AND at >= :since
             UNION ALL
             SELECT (SELECT MIN(at) FROM sample WHERE device = :device AND quantity = :quantity
                     AND at >= datetime(hop.at, '+60 seconds')) FROM hop WHERE hop.at IS NOT NULL)
           SELECT sample.at, sample.value FROM hop JOIN sample
             ON sample.device = :device AND sample.quantity = :quantity AND sample.at = hop.at
           WHERE hop.at <= :until ORDER BY hop.at"""
    )
    .bindparams(bindparam("since", type_=Instant), bindparam("until", type_=Instant))
    .columns(at=Instant, value=Float)
)
"""Hops from minute to minute along the key: ten thousand figures are not all read."""


class Cultures:
    """Cultures, those that were put away too."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def all(self) -> Sequence[CultureRow]:
        """Cultures in the order in which they came into the kitchen."""
        return self.session.scalars(select(CultureRow).order_by(CultureRow.created_at, CultureRow.id)).all()

    def get(self, key: str) -> CultureRow | None:
        """One culture, put away or not."""
        return self.session.get(CultureRow, key)

    def add(self, row: CultureRow) -> None:
        """A new culture."""
        self.session.add(row)

    def photo(self, key: str) -> PhotoRow | None:
        """Its picture."""
        return self.session.get(PhotoRow, key)

    def put_photo(self, row: PhotoRow) -> None:
        """A picture in place of the one before."""
        self.session.merge(row)

    def drop_photo(self, key: str) -> None:
        """No picture any more."""
        row = self.photo(key)
        if row is not None:
            self.session.delete(row)

    def keep_former(self, key: str) -> None:
        """Keep the picture that stands, so that it can be had back once another stands in its place, or none."""
        row = self.photo(key)
        if row is not None:
            former = FormerPhotoRow(culture_id=key, content_type=row.content_type, data=row.data, taken_at=row.taken_at)
            self.session.merge(former)

    def swap_photo(self, key: str) -> bool:
        """Put the former picture in place of the one that stands, and that in its; False if there was none."""
        former, row = self.session.get(FormerPhotoRow, key), self.photo(key)
        if former is None:
            return False
        back = PhotoRow(culture_id=key, content_type=former.content_type, data=former.data, taken_at=former.taken_at)
        if row is None:
            self.session.delete(former)
        else:
            former.content_type, former.data, former.taken_at = row.content_type, row.data, row.taken_at
        self.put_photo(back)
        return True

    def has_former(self, key: str) -> bool:
        """Whether a former picture is kept, without reading it."""
        wanted = select(FormerPhotoRow.culture_id).where(FormerPhotoRow.culture_id == key)
        return self.session.scalar(wanted) is not None

    def with_photo(self) -> set[str]:
        """Keys of the cultures that have a picture, without reading the pictures."""
        return set(self.session.scalars(select(PhotoRow.culture_id)))


class Formulas:
    """Formulas, without those put away unless asked for."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def all(self) -> Sequence[FormulaRow]:
        """Formulas in the order in which they were made."""
        living = select(FormulaRow).where(FormulaRow.deleted_at.is_(None))
        return self.session.scalars(living.order_by(FormulaRow.created_at, FormulaRow.id)).all()

    def lines(self, name: str, limit: int) -> list[tuple[str, dict[str, Any]]]:
        """Keys of formulas and what a list shows of them, those whose name holds ``name``, in the order of making."""
        wanted = select(FormulaRow.id, FormulaRow.line)
        wanted = wanted.where(FormulaRow.deleted_at.is_(None), FormulaRow.line.is_not(None))
        if name:
            wanted = wanted.where(FormulaRow.name.icontains(name, autoescape=True))
        rows = self.session.execute(wanted.order_by(FormulaRow.created_at, FormulaRow.id).limit(limit))
        return [(row[0], row[1] or {}) for row in rows]

    def of_another_rule(self, rule: int) -> list[str]:
        """Keys of formulas whose line was not read off them by that rule."""
        return list(self.session.scalars(select(FormulaRow.id).where(_another(FormulaRow.rule, rule))))

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


def _inside(column: Any, path: str) -> Any:
    """A part of a document; NULL of one that is no JSON."""
    return case((func.json_valid(column) == 1, func.json_extract(column, path)), else_=None)


def _another(column: Any, rule: int) -> Any:
    """Whether a rule's number is another than ``rule``, in words that an index answers."""
    return or_(column < rule, column > rule)


class PlanLineRow(NamedTuple):
    """A plan as a list shows it."""

    id: str
    name: str | None
    pieces: int | None
    ready: datetime
    begins: datetime | None
    saved_at: datetime


_PLAN_LINE = (PlanRow.id, PlanRow.name, PlanRow.pieces, PlanRow.ready, PlanRow.begins, PlanRow.updated_at)


class Plans:
    """Saved plans, without those put away unless asked for."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def page(self, before: tuple[datetime, str] | None, limit: int) -> list[PlanLineRow]:
        """Plans, the latest wanted first, from after the one that was wanted ``before``."""
        wanted = select(*_PLAN_LINE).where(PlanRow.deleted_at.is_(None), PlanRow.begins.is_not(None))
        if before is not None:
            wanted = wanted.where(tuple_(PlanRow.ready, PlanRow.id) < before)
        rows = self.session.execute(wanted.order_by(PlanRow.ready.desc(), PlanRow.id.desc()).limit(limit))
        return [PlanLineRow(*row) for row in rows]

    def line(self, key: str) -> PlanLineRow | None:
        """One plan as a list shows it, put away or not."""
        row = self.session.execute(select(*_PLAN_LINE).where(PlanRow.id == key)).first()
        return None if row is None else PlanLineRow(*row)

    def coming(self, now: datetime) -> list[str]:
        """Keys of plans that are not over."""
        return list(self.session.scalars(select(PlanRow.id).where(PlanRow.deleted_at.is_(None), PlanRow.ready >= now)))

    def put_steps(self, key: str, steps: Sequence[tuple[str, str, datetime]]) -> None:
        """Kind, title and instant of a plan's steps, in place of those that were there."""
        self.session.execute(delete(PlanStepRow).where(PlanStepRow.plan_id == key))
        rows = [
            {"plan_id": key, "number": number, "kind": kind, "title": title[:120], "at": at}
            for number, (kind, title, at) in enumerate(steps)
        ]
        if rows:
            self.session.execute(insert(PlanStepRow), rows)

    def next_steps(self, keys: Sequence[str], now: datetime) -> dict[str, tuple[str, datetime]]:
        """Title and instant of the first step to come of some plans."""
        coming = select(PlanStepRow.plan_id, PlanStepRow.title, func.min(PlanStepRow.at))
        coming = coming.where(PlanStepRow.plan_id.in_(keys), PlanStepRow.at >= now)
        return {row[0]: (row[1], row[2]) for row in self.session.execute(coming.group_by(PlanStepRow.plan_id))}

    def next_of_all(self, now: datetime) -> tuple[str, str, datetime] | None:
        """Plan, title and instant of the first step to come of any plan that was not begun."""
        begun = select(BakeRow.id).where(BakeRow.id == PlanStepRow.plan_id).exists()
        coming = select(PlanStepRow.plan_id, PlanStepRow.title, PlanStepRow.at).join(PlanRow)
        coming = coming.where(PlanStepRow.at >= now, PlanRow.deleted_at.is_(None), ~begun)
        row = self.session.execute(coming.order_by(PlanStepRow.at, PlanStepRow.plan_id).limit(1)).first()
        return None if row is None else (row[0], row[1], row[2])

    def of_another_rule(self, rule: int) -> list[str]:
        """Keys of plans whose line and steps were not read off them by that rule."""
        return list(self.session.scalars(select(PlanRow.id).where(_another(PlanRow.rule, rule))))

    def marks_of(self, keys: Sequence[str]) -> list[tuple[str, datetime, str]]:
        """Some plans that were not put away, by key, when each was saved, and a text that names its state wholly.

        The soonest wanted first.
        """
        asked = cast(PlanRow.asked, String)
        living = select(PlanRow.id, PlanRow.updated_at, asked).where(PlanRow.id.in_(keys), PlanRow.deleted_at.is_(None))
        store = str(self.session.get_bind().engine.url)
        rows = self.session.execute(living.order_by(PlanRow.ready, PlanRow.id))
        return [(row[0], row[1], f"{store} {row[0]} {row[1].isoformat()} {row[2]}") for row in rows]

    def names(self, keys: Sequence[str]) -> dict[str, tuple[str, int]]:
        """Name of the formula and pieces of some plans, put away or not, without reading what they showed."""
        found: dict[str, tuple[str, int]] = {}
        name, pieces = _inside(PlanRow.formula, "$.name"), _inside(PlanRow.asked, "$.pieces")
        for start in range(0, len(keys), 500):
            wanted = select(PlanRow.id, name, pieces).where(PlanRow.id.in_(keys[start : start + 500]))
            found |= {row[0]: (str(row[1] or "?"), int(row[2] or 1)) for row in self.session.execute(wanted)}
        return found

    def get(self, key: str) -> PlanRow | None:
        """One plan, put away or not."""
        return self.session.get(PlanRow, key)

    def add(self, row: PlanRow) -> None:
        """A new plan."""
        self.session.add(row)


class Bakes:
    """Bakes that were begun, as what stands beside their events tells."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def get(self, key: str) -> BakeRow | None:
        """One bake."""
        return self.session.get(BakeRow, key)

    def put(self, row: BakeRow) -> None:
        """Write it down anew."""
        self.session.merge(row)

    def drop(self, key: str) -> None:
        """It was never begun after all."""
        row = self.get(key)
        if row is not None:
            self.session.delete(row)

    def on_bench(self, now: datetime) -> dict[str, str]:
        """Keys and names of the bakes that are on the bench."""
        wanted = select(BakeRow.id, BakeRow.name).where(BakeRow.leaves >= now)
        return {row[0]: row[1] for row in self.session.execute(wanted.order_by(BakeRow.started, BakeRow.id))}

    def of(self, keys: Sequence[str]) -> dict[str, BakeRow]:
        """Those of some keys that were begun."""
        rows = self.session.scalars(select(BakeRow).where(BakeRow.id.in_(keys)))
        return {row.id: row for row in rows}

    def page(self, name: str, before: tuple[datetime, str] | None, limit: int) -> Sequence[BakeRow]:
        """Bakes whose name holds ``name``, the latest first, from after the one that came ``before``."""
        wanted = select(BakeRow)
        if name:
            wanted = wanted.where(BakeRow.name.icontains(name, autoescape=True))
        if before is not None:
            wanted = wanted.where(tuple_(BakeRow.latest, BakeRow.id) < before)
        return self.session.scalars(wanted.order_by(BakeRow.latest.desc(), BakeRow.id.desc()).limit(limit)).all()

    def score(self) -> tuple[int, int]:
        """How many came out as their proof was judged, of how many that were judged and tasted."""
        wanted = select(BakeRow.as_judged, func.count()).where(BakeRow.as_judged.is_not(None))
        found = {bool(row[0]): int(row[1]) for row in self.session.execute(wanted.group_by(BakeRow.as_judged))}
        return found.get(True, 0), sum(found.values())

    def spans(self, since: datetime, until: datetime) -> list[tuple[datetime, datetime]]:
        """Beginning and end of the bakes that were under way between two instants."""
        wanted = select(BakeRow.started, BakeRow.latest).where(BakeRow.latest >= since, BakeRow.started <= until)
        return [(row[0], row[1]) for row in self.session.execute(wanted)]

    def of_another_rule(self, rule: int) -> list[str]:
        """Keys of bakes that were not written down by that rule."""
        return list(self.session.scalars(select(BakeRow.id).where(_another(BakeRow.rule, rule))))

    def unwritten(self, kind: str) -> list[str]:
        """Subjects of events of a kind that are no bake yet."""
        there = select(BakeRow.id).where(BakeRow.id == EventRow.subject).exists()
        return list(self.session.scalars(select(EventRow.subject).where(EventRow.kind == kind, ~there).distinct()))
