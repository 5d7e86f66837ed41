"""Reading and writing plans and bakes, by pages: what their lists show stands in columns beside their documents."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any, NamedTuple

from sqlalchemy import Integer, String, cast, delete, func, or_, select, tuple_
from sqlalchemy.dialects.sqlite import insert
from sqlalchemy.orm import Session

from gentle_crust.store.models import BakeRow, EventRow, PlanRow, PlanStepRow, StateRow, TrialRow
from gentle_crust.store.repositories import another, inside

MOST_TITLE = 400
"""Letters of a step's title, as a message is written down."""


class PlanLineRow(NamedTuple):
    """A plan as a list shows it."""

    id: str
    name: str | None
    pieces: int | None
    ready: datetime
    begins: datetime | None
    saved_at: datetime


class PlanHead(NamedTuple):
    """What a plan's documents say of a bake made by it."""

    name: str
    pieces: int
    formula_id: str
    version: int | None
    culture_id: str


_PLAN_LINE = (PlanRow.id, PlanRow.name, PlanRow.pieces, PlanRow.ready, PlanRow.begins, PlanRow.updated_at)


class Plans:
    """Saved plans, without those put away unless asked for."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def page(
        self, before: tuple[datetime, str] | None, limit: int, baked_by: datetime | None = None
    ) -> list[PlanLineRow]:
        """Plans, the latest wanted first, from after the one that was wanted ``before``.

        Without those that had left the bench ``baked_by`` an instant, if that is given.
        """
        wanted = select(*_PLAN_LINE).where(PlanRow.deleted_at.is_(None), PlanRow.begins.is_not(None))
        if baked_by is not None:
            wanted = wanted.where(
                ~select(BakeRow.id).where(BakeRow.id == PlanRow.id, BakeRow.leaves < baked_by).exists()
            )
        if before is not None:
            wanted = wanted.where(tuple_(PlanRow.ready, PlanRow.id) < before)
        rows = self.session.execute(wanted.order_by(PlanRow.ready.desc(), PlanRow.id.desc()).limit(limit))
        return [PlanLineRow(*row) for row in rows]

    def coming(self, now: datetime) -> list[str]:
        """Keys of plans that are not over."""
        return list(self.session.scalars(select(PlanRow.id).where(PlanRow.deleted_at.is_(None), PlanRow.ready >= now)))

    def shown(self, key: str) -> dict[str, Any]:
        """A plan's answer as it is stored; empty for none, and for one that is no JSON."""
        found = self.session.scalar(select(PlanRow.shown).where(PlanRow.id == key))
        return found if isinstance(found, dict) else {}

    def asked(self, key: str) -> dict[str, Any]:
        """What a plan was asked for, as it is stored; empty for none."""
        found = self.session.scalar(select(PlanRow.asked).where(PlanRow.id == key))
        return found if isinstance(found, dict) else {}

    def formula(self, key: str) -> dict[str, Any]:
        """A plan's formula as it is stored; empty for none."""
        found = self.session.scalar(select(PlanRow.formula).where(PlanRow.id == key))
        return found if isinstance(found, dict) else {}

    def put_steps(self, key: str, steps: Sequence[tuple[str, str, datetime]]) -> None:
        """Kind, title and instant of a plan's steps, in place of those that were there."""
        self.session.execute(delete(PlanStepRow).where(PlanStepRow.plan_id == key))
        rows = [
            {"plan_id": key, "number": number, "kind": kind, "title": title[:MOST_TITLE], "at": at}
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
        return list(self.session.scalars(select(PlanRow.id).where(another(PlanRow.rule, rule))))

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
        name, pieces = inside(PlanRow.formula, "$.name"), inside(PlanRow.asked, "$.pieces")
        for start in range(0, len(keys), 500):
            wanted = select(PlanRow.id, name, pieces).where(PlanRow.id.in_(keys[start : start + 500]))
            found |= {row[0]: (str(row[1] or "?"), int(row[2] or 1)) for row in self.session.execute(wanted)}
        return found

    def head(self, key: str) -> PlanHead | None:
        """The same of one plan, with its formula, version and culture; None for none."""
        asked = [inside(PlanRow.asked, f"$.{name}") for name in ("pieces", "version", "culture_id")]
        wanted = select(inside(PlanRow.formula, "$.name"), PlanRow.formula_id, *asked).where(PlanRow.id == key)
        row = self.session.execute(wanted).first()
        if row is None:
            return None
        name, formula_id, pieces, version, culture = row
        return PlanHead(str(name or "?"), int(pieces or 1), formula_id, version, str(culture or ""))

    def get(self, key: str) -> PlanRow | None:
        """One plan, put away or not."""
        return self.session.get(PlanRow, key)

    def drop(self, key: str) -> None:
        """Throw a plan away, with its steps and earlier states."""
        self.session.execute(delete(PlanStepRow).where(PlanStepRow.plan_id == key))
        self.session.execute(delete(StateRow).where(StateRow.kind == "plan", StateRow.subject == key))
        self.session.execute(delete(PlanRow).where(PlanRow.id == key))

    def add(self, row: PlanRow) -> None:
        """A new plan."""
        self.session.add(row)


@dataclass(frozen=True)
class Sought:
    """Which bakes of a log are wanted: all that is given holds. ``words`` in name or notes; ``months`` 1-12."""

    words: str = ""
    formula: str = ""
    culture: str = ""
    fault: str = ""
    liked: int | None = None
    """As much or more."""
    months: tuple[int, ...] = ()


class VersionCount(NamedTuple):
    """How many bakes there are of a version, and what they were liked on average; None of those that do not say."""

    version: int | None
    bakes: int
    liked: float | None


class BakeFiguresRow(NamedTuple):
    """A bake's figures as a drawing over time takes them."""

    id: str
    name: str
    latest: datetime
    liked: int | None
    figures: dict[str, Any] | None


class TeachingRow(NamedTuple):
    """A finished bake as its kitchen learns from it."""

    id: str
    name: str
    latest: datetime
    culture_id: str
    formula_id: str
    figures: dict[str, Any] | None


def _sought(sought: Sought) -> list[Any]:
    """What is sought as conditions; bakes taken out of the log are never found."""
    found: list[Any] = [BakeRow.removed.is_(None)]
    for word in sought.words.split():
        held = (column.icontains(word, autoescape=True) for column in (BakeRow.name, BakeRow.words))
        found.append(or_(*held))
    if sought.formula:
        found.append(BakeRow.formula_id == sought.formula)
    if sought.culture:
        found.append(BakeRow.culture_id == sought.culture)
    if sought.fault:
        found.append(BakeRow.faults.contains(f" {sought.fault} ", autoescape=True))
    if sought.liked is not None:
        found.append(BakeRow.liked >= sought.liked)
    if sought.months:
        found.append(cast(func.substr(cast(BakeRow.latest, String), 6, 2), Integer).in_(sought.months))
    return found


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

    def page(self, sought: Sought, before: tuple[datetime, str] | None, limit: int) -> Sequence[BakeRow]:
        """Bakes that are sought, the latest first, from after the one that came ``before``."""
        wanted = select(BakeRow).where(*_sought(sought))
        if before is not None:
            wanted = wanted.where(tuple_(BakeRow.latest, BakeRow.id) < before)
        return self.session.scalars(wanted.order_by(BakeRow.latest.desc(), BakeRow.id.desc()).limit(limit)).all()

    def count(self, sought: Sought) -> int:
        """How many are sought."""
        return self.session.scalar(select(func.count()).select_from(BakeRow).where(*_sought(sought))) or 0

    def figures(self, sought: Sought, limit: int) -> list[BakeFiguresRow]:
        """Figures of finished bakes that are sought, the latest first."""
        wanted = select(BakeRow.id, BakeRow.name, BakeRow.latest, BakeRow.liked, BakeRow.figures)
        wanted = wanted.where(*_sought(sought), BakeRow.out.is_not(None), BakeRow.stopped.is_(False))
        rows = self.session.execute(wanted.order_by(BakeRow.latest.desc(), BakeRow.id.desc()).limit(limit))
        return [BakeFiguresRow(*row) for row in rows]

    def teaching(self, limit: int) -> list[TeachingRow]:
        """What the latest finished bakes tell of their kitchen, the oldest first."""
        wanted = select(
            BakeRow.id, BakeRow.name, BakeRow.latest, BakeRow.culture_id, BakeRow.formula_id, BakeRow.figures
        )
        wanted = wanted.where(BakeRow.removed.is_(None), BakeRow.out.is_not(None), BakeRow.stopped.is_(False))
        rows = self.session.execute(wanted.order_by(BakeRow.latest.desc(), BakeRow.id.desc()).limit(limit))
        return [TeachingRow(*row) for row in reversed(rows.all())]

    def by_version(self, formula: str) -> list[VersionCount]:
        """Of each version of a formula, how many bakes there are and what they were liked on average."""
        wanted = select(BakeRow.version, func.count(), func.avg(BakeRow.liked)).where(*_sought(Sought(formula=formula)))
        rows = self.session.execute(wanted.group_by(BakeRow.version))
        return [VersionCount(row[0], int(row[1]), None if row[2] is None else float(row[2])) for row in rows]

    def of_versions(self, formula: str, versions: Sequence[int | None], limit: int) -> Sequence[BakeRow]:
        """The latest bakes of some versions of a formula; None stands for those that do not say."""
        named = [BakeRow.version.in_([each for each in versions if each is not None])]
        named += [BakeRow.version.is_(None)] if None in versions else []
        wanted = select(BakeRow).where(*_sought(Sought(formula=formula)), or_(*named))
        return self.session.scalars(wanted.order_by(BakeRow.latest.desc(), BakeRow.id.desc()).limit(limit)).all()

    def best(self, formula: str) -> BakeRow | None:
        """The bake of a formula that was liked best, the latest of them."""
        wanted = select(BakeRow).where(*_sought(Sought(formula=formula)), BakeRow.liked.is_not(None))
        return self.session.scalars(wanted.order_by(BakeRow.liked.desc(), BakeRow.latest.desc()).limit(1)).first()

    def by_formula(self) -> list[tuple[str, str, int]]:
        """Formulas of which something was baked: key, name as it was last, how many bakes; the most baked first."""
        wanted = select(BakeRow.formula_id, BakeRow.name, func.count(), func.max(BakeRow.latest))
        wanted = wanted.where(BakeRow.removed.is_(None)).group_by(BakeRow.formula_id)
        rows = self.session.execute(wanted.order_by(func.count().desc(), BakeRow.formula_id))
        return [(row[0], row[1], int(row[2])) for row in rows]

    def cultures(self) -> list[str]:
        """Keys of the cultures of which something was baked."""
        wanted = select(BakeRow.culture_id).where(BakeRow.culture_id != "", BakeRow.removed.is_(None)).distinct()
        return list(self.session.scalars(wanted))

    def faults(self) -> set[str]:
        """Codes of all faults that any loaf showed."""
        wanted = select(BakeRow.faults).where(BakeRow.faults != "", BakeRow.removed.is_(None)).distinct()
        return {fault for row in self.session.scalars(wanted) for fault in row.split()}

    def removed(self) -> Sequence[BakeRow]:
        """Bakes that were taken out of the log, the last first."""
        wanted = select(BakeRow).where(BakeRow.removed.is_not(None))
        return self.session.scalars(wanted.order_by(BakeRow.removed.desc(), BakeRow.id)).all()

    def came_out(self, since: datetime, until: datetime) -> Sequence[BakeRow]:
        """Bakes that came out between two instants, the latest first."""
        wanted = select(BakeRow).where(BakeRow.latest.between(since, until), BakeRow.out.is_not(None))
        wanted = wanted.where(BakeRow.removed.is_(None))
        return self.session.scalars(wanted.order_by(BakeRow.latest.desc(), BakeRow.id.desc())).all()

    def score(self) -> tuple[int, int]:
        """How many came out as their proof was judged, of how many that were judged and tasted."""
        wanted = select(BakeRow.as_judged, func.count()).where(
            BakeRow.as_judged.is_not(None), BakeRow.removed.is_(None)
        )
        found = {bool(row[0]): int(row[1]) for row in self.session.execute(wanted.group_by(BakeRow.as_judged))}
        return found.get(True, 0), sum(found.values())

    def spans(self, since: datetime, until: datetime) -> list[tuple[datetime, datetime]]:
        """Beginning and end of the bakes that were under way between two instants."""
        wanted = select(BakeRow.started, BakeRow.latest).where(BakeRow.latest >= since, BakeRow.started <= until)
        return [(row[0], row[1]) for row in self.session.execute(wanted)]

    def of_another_rule(self, rule: int) -> list[str]:
        """Keys of bakes that were not written down by that rule."""
        return list(self.session.scalars(select(BakeRow.id).where(another(BakeRow.rule, rule))))

    def unwritten(self, kind: str) -> list[str]:
        """Subjects of events of a kind that are no bake yet."""
        there = select(BakeRow.id).where(BakeRow.id == EventRow.subject).exists()
        return list(self.session.scalars(select(EventRow.subject).where(EventRow.kind == kind, ~there).distinct()))


class Trials:
    """Trials, without those put away unless asked for."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def get(self, key: str) -> TrialRow | None:
        """One, put away or not."""
        return self.session.get(TrialRow, key)

    def put(self, row: TrialRow) -> None:
        """Write it down anew."""
        self.session.merge(row)

    def all(self, formula: str = "") -> Sequence[TrialRow]:
        """The latest first; only those of a formula if it is given."""
        wanted = select(TrialRow).where(TrialRow.deleted_at.is_(None))
        if formula:
            wanted = wanted.where(TrialRow.formula_id == formula)
        return self.session.scalars(wanted.order_by(TrialRow.created_at.desc(), TrialRow.id)).all()

    def of_bakes(self, keys: Sequence[str]) -> Sequence[TrialRow]:
        """Those of which some of these bakes are a side."""
        if not keys:
            return []
        holds = or_(*(TrialRow.bakes.contains(f" {key} ", autoescape=True) for key in keys))
        wanted = select(TrialRow).where(TrialRow.deleted_at.is_(None), holds)
        return self.session.scalars(wanted.order_by(TrialRow.created_at.desc(), TrialRow.id)).all()
