"""Reading and writing the figures that instruments sent, of which there are very many."""

from collections.abc import Sequence
from datetime import datetime
from itertools import pairwise

from sqlalchemy import Float, bindparam, func, select, text
from sqlalchemy.dialects.sqlite import insert
from sqlalchemy.orm import Session

from gentle_crust.store.columns import Instant
from gentle_crust.store.models import InstrumentRow, SampleRow


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
