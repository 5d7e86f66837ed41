"""What happened to a culture, read once for as long as nothing more happens to it."""

from collections.abc import Callable
from dataclasses import dataclass
from datetime import datetime
from functools import lru_cache

from sqlalchemy.orm import Session

from gentle_crust.contract.events import CULTURE_KINDS as KINDS
from gentle_crust.contract.events import CULTURE_REINSTATED as REINSTATED
from gentle_crust.contract.events import CULTURE_WITHDRAWN as WITHDRAWN
from gentle_crust.core.culture.life import REMEMBERED
from gentle_crust.kitchen.once import Known
from gentle_crust.kitchen.story import readable
from gentle_crust.store.repositories import Events, PlainEvent

FEEDS = ("begun", "fed", "woken")
LATELY, LATEST = 100, 400
"""Events that are read to know how a culture lives, and to tell its last weeks; a file of its history has all."""


@dataclass(frozen=True)
class Past:
    """Events that count, the oldest first; and those that were taken back, by when they were."""

    living: tuple[PlainEvent, ...]
    gone: tuple[tuple[datetime, PlainEvent], ...]


def pasts(session: Session, keys: list[str], last: int | None = LATELY) -> dict[str, Past]:
    """The past of some cultures: the ``last`` so many events of each, or all; further back where no feed is in them."""
    if session.info.get("writing"):  # what is not kept yet may never be
        return {key: _read(session, key, last) for key in keys}
    marks = Events(session).marks_of(keys)
    store = str(session.get_bind().engine.url)
    found = {}
    for key in keys:
        mark = (store, key, last, *marks.get(key, (0, 0)))
        found[key] = _read_once(Known(mark, lambda key=key: _read(session, key, last)))
    return found


def forget() -> None:
    """Other data are in the place of those that were read."""
    _read_once.cache_clear()


@lru_cache(maxsize=128)
def _read_once(past: Known[Callable[[], Past]]) -> Past:
    return past.value()


def _read(session: Session, key: str, last: int | None) -> Past:
    events = Events(session)
    away: dict[str, datetime] = {}
    for _, kind, at, body in events.plain(WITHDRAWN, REINSTATED, subject=key):
        if kind == WITHDRAWN:
            away[str(body.get("event"))] = at
        else:
            away.pop(str(body.get("event")), None)
    rows = events.plain(*KINDS, subject=key, last=last)
    if last is not None and len(rows) == last and not any(kind in FEEDS for _, kind, _, _ in rows):
        return _read(session, key, None)
    gone = readable(events.of_keys(tuple(away)))
    living = [each for each in readable(rows) if each[0] not in away]
    if last == LATELY:
        living = _what_tells(living)
    return Past(tuple(living), tuple((away[each[0]], each) for each in gone))


def _what_tells(living: list[PlainEvent]) -> list[PlainEvent]:
    """Events from the last feed on that is not looked back upon; all of them if the culture's beginning is in sight."""
    feeds = [place for place, (_, kind, _, _) in enumerate(living) if kind in FEEDS]
    if len(feeds) <= REMEMBERED + 1 or living[feeds[0]][1] == "begun":
        return living
    return living[feeds[-REMEMBERED - 1] :]
