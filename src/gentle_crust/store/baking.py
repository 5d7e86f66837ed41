"""Reading and writing plans and bakes, by pages: what their lists show stands in columns beside their documents."""

from collections.abc import Sequence
from datetime import datetime
from typing import Any, NamedTuple

from sqlalchemy import String, case, cast, delete, func, select, tuple_
from sqlalchemy.dialects.sqlite import insert
from sqlalchemy.orm import Session

from gentle_crust.store.models import BakeRow, EventRow, PlanRow, PlanStepRow
from gentle_crust.store.repositories import another


def _inside(column: Any, path: str) -> Any:
    """A part of a document; NULL of one that is no JSON."""
    return case((func.json_valid(column) == 1, func.json_extract(column, path)), else_=None)


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

    def coming(self, now: datetime) -> list[str]:
        """Keys of plans that are not over."""
        return list(self.session.scalars(select(PlanRow.id).where(PlanRow.deleted_at.is_(None), PlanRow.ready >= now)))

    def shown(self, key: str) -> dict[str, Any]:
        """A plan's answer as it is stored; empty for none, and for one that is no JSON."""
        found = self.session.scalar(select(PlanRow.shown).where(PlanRow.id == key))
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

    def came_out(self, since: datetime, until: datetime) -> Sequence[BakeRow]:
        """Bakes that came out between two instants, the latest first."""
        wanted = select(BakeRow).where(BakeRow.latest.between(since, until), BakeRow.out.is_not(None))
        return self.session.scalars(wanted.order_by(BakeRow.latest.desc(), BakeRow.id.desc())).all()

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
        return list(self.session.scalars(select(BakeRow.id).where(another(BakeRow.rule, rule))))

    def unwritten(self, kind: str) -> list[str]:
        """Subjects of events of a kind that are no bake yet."""
        there = select(BakeRow.id).where(BakeRow.id == EventRow.subject).exists()
        return list(self.session.scalars(select(EventRow.subject).where(EventRow.kind == kind, ~there).distinct()))
