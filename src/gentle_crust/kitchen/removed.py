"""Bakes that were taken out of the log: to be had back for some weeks, then gone for good."""

from datetime import timedelta

from sqlalchemy.orm import Session

from gentle_crust.contract.bakes import BakeLine
from gentle_crust.kitchen.bakes import line_of
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Bakes, Plans
from gentle_crust.store.repositories import Events

KEPT_FOR = timedelta(days=30)


def removed(work: Work) -> tuple[BakeLine, ...]:
    """Bakes that were taken out, the last first."""
    with work.read() as session:
        return tuple(line_of(row, work.now()) for row in Bakes(session).removed())


def let_go(work: Work) -> int:
    """Throw away bakes that were taken out more than 30 days ago, with their plans and all that was pressed."""
    with work.read() as session:
        rows = [(row.id, row.removed) for row in Bakes(session).removed()]
    keys = [key for key, at in rows if at is not None and work.now() - at > KEPT_FOR]
    if keys:
        with work.write() as session:
            for key in keys:
                _forget(session, key)
    return len(keys)


def _forget(session: Session, key: str) -> None:
    Events(session).forget(key)
    Bakes(session).drop(key)
    Plans(session).drop(key)
