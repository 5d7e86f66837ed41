"""Rows of the data file that cannot be read: each is named, can be had as a file, and put away; all others work."""

import json
import re
from collections.abc import Callable, Iterator
from contextlib import suppress
from datetime import UTC, datetime
from typing import Any

from sqlalchemy import Row, text
from sqlalchemy.orm import Session

from gentle_crust.contract import documents, events
from gentle_crust.contract.keeping import UnreadableRow
from gentle_crust.contract.tidy import clean, sane
from gentle_crust.core.errors import CraftError, NotFound, Unreadable
from gentle_crust.core.messages import NOTHING, Message, message
from gentle_crust.kitchen import story as tale
from gentle_crust.kitchen.beside import write_bake
from gentle_crust.kitchen.work import Work
from gentle_crust.store.models import SetAsideRow

Columns = dict[str, Any]
_NAME = re.compile(r'"name":\s*"((?:[^"\\]|\\.){1,80})"')
KEPT_BY_OTHERS = ("formula", "plan", "culture")
"""Places whose rows others point to: put away, they stay in the file and are shown no more."""


def _instant(value: Any) -> datetime:
    """A stored instant. Raises Unreadable for what is none, or lies out of this century."""
    try:
        return sane(datetime.fromisoformat(value).replace(tzinfo=UTC), "at")
    except (TypeError, ValueError, CraftError) as error:
        raise Unreadable("at", "kitchen-unreadable-time") from error


def _object(value: Any) -> dict[str, Any]:
    try:
        found = json.loads(value)
    except (TypeError, ValueError, RecursionError) as error:
        raise Unreadable("body", "kitchen-unreadable-text-torn") from error
    if not isinstance(found, dict):
        raise Unreadable("body", "kitchen-unreadable-text-other")
    return found


def _figure(value: Any) -> None:
    if not isinstance(value, int | float):
        raise Unreadable("value", "kitchen-unreadable-number")


def _picture(columns: Columns) -> None:
    if not isinstance(columns["data"], bytes) or columns["data"][:2] not in (b"\xff\xd8", b"\x89P"):
        raise Unreadable("data", "kitchen-unreadable-picture")


def _check_plan(columns: Columns) -> None:
    for name, document in (("asked", documents.ASKED), ("formula", documents.FORMULA), ("shown", documents.PLAN)):
        document.read(_object(columns[name]))
    _instant(columns["ready"])


_CHECKS: dict[str, Callable[[Columns], object]] = {
    "kitchen": lambda row: documents.KITCHEN.read(_object(row["body"])),
    "pantry": lambda row: documents.PANTRY.read(_object(row["body"])),
    "formula": lambda row: documents.FORMULA.read(_object(row["body"])),
    "formula_version": lambda row: documents.FORMULA.read(_object(row["body"])),
    "plan": _check_plan,
    "culture": lambda row: documents.CULTURE.read(_object(row["body"])),
    "culture_picture": _picture,
    "event": lambda row: events.read(row["kind"], _instant(row["at"]), _object(row["body"])),
    "instrument": lambda row: _figure(row["value"]),
    "sample": lambda row: _figure(row["value"]),
    "state": lambda row: _object(row["body"]),
}
KEYS = {
    "formula_version": ("formula_id", "number"), "instrument": ("device", "quantity"),
    "sample": ("device", "quantity", "at"), "state": ("kind", "subject", "number"),
}  # fmt: skip
"""The columns of a row's key, where that is not ``id``."""
_TIMES = ("at", "saved_at", "taken_at", "updated_at", "created_at")
_REQUIRED_TIMES = {
    "formula": ("created_at", "updated_at"), "plan": ("created_at", "updated_at"), "event": ("at",),
    "culture": ("created_at", "updated_at"), "formula_version": ("saved_at",), "sample": ("at",), "instrument": ("at",),
}  # fmt: skip


def keys_of(place: str) -> tuple[str, ...]:
    """The columns of a row's key."""
    return KEYS.get(place, ("id",))


def _key(place: str, columns: Columns) -> str:
    return "/".join(str(columns[name]) for name in keys_of(place))


def _trouble(place: str, columns: Columns) -> Message:
    """What is wrong with a row; nothing if it can be read."""
    try:
        _CHECKS[place](columns)
        for name in _REQUIRED_TIMES.get(place, ()):
            _instant(columns[name])
    except CraftError as error:
        return error.what
    except (KeyError, TypeError, ValueError, RecursionError):
        return message("kitchen-unreadable")
    return NOTHING


def unreadable_rows(session: Session) -> Iterator[tuple[UnreadableRow, Columns]]:
    """All rows that cannot be read and were not put away, with their columns."""
    aside = {(row.place, row.key) for row in session.query(SetAsideRow.place, SetAsideRow.key)}
    for place in _CHECKS:
        for columns in _rows(session, place):
            sentence = _trouble(place, columns)
            key = _key(place, columns)
            if sentence and (place, key) not in aside:
                yield (
                    UnreadableRow(
                        place, key, message(f"kept-{place.replace('_', '-')}"), _name(columns), _date(columns), sentence
                    ),
                    columns,
                )


def _rows(session: Session, place: str) -> Iterator[Columns]:
    found = session.execute(text(f"SELECT * FROM {place}"))  # noqa: S608 - the places are this module's own
    for row in found:
        yield _columns(row)


def _columns(row: Row[Any]) -> Columns:
    return dict(row._mapping)


def _name(columns: Columns) -> str:
    """The name that a row's text still shows; else its kind."""
    for column in ("body", "formula", "shown", "asked"):
        found = _NAME.search(str(columns.get(column) or ""))
        if found:
            with suppress(ValueError):
                return str(clean(json.loads(f'"{found[1]}"')))
    return str(clean(str(columns.get("kind") or columns.get("device") or "")))[:60]


def _date(columns: Columns) -> datetime | None:
    for name in _TIMES:
        with suppress(CraftError):
            return _instant(columns.get(name))
    return None


def as_text(columns: Columns) -> dict[str, Any]:
    """A row's columns as JSON can hold them: bytes as hexadecimal figures."""
    return {name: value.hex() if isinstance(value, bytes) else clean(value) for name, value in columns.items()}


class UnreadableBook:
    """What cannot be read in this kitchen."""

    def __init__(self, work: Work) -> None:
        self.work, self.now = work, work.now

    def all(self) -> tuple[UnreadableRow, ...]:
        """Every such row."""
        with self.work.read() as session:
            return tuple(row for row, _ in unreadable_rows(session))

    def file(self, place: str, key: str) -> str:
        """One such row as JSON, whole; also one that was put away. NotFound if there is none."""
        with self.work.read() as session:
            aside = session.get(SetAsideRow, (place, key))
            columns = aside.body if aside is not None else as_text(self._find(session, place, key))
        return json.dumps({"place": place, "key": key, "row": columns}, ensure_ascii=False, indent=1)

    def put_away(self, place: str, key: str) -> None:
        """Take it out of sight, kept whole. NotFound if there is none."""
        with self.work.write() as session:
            columns = self._find(session, place, key)
            session.add(SetAsideRow(place=place, key=key, body=as_text(columns), put_away_at=self.now()))
            where = " AND ".join(f"{name} IS :{name}" for name in keys_of(place))
            values = {name: columns[name] for name in keys_of(place)}
            if place in KEPT_BY_OTHERS:
                values["now"] = self.now().astimezone(UTC).replace(tzinfo=None).isoformat(" ")
                session.execute(text(f"UPDATE {place} SET deleted_at = :now WHERE {where}"), values)  # noqa: S608
            else:
                session.execute(text(f"DELETE FROM {place} WHERE {where}"), values)  # noqa: S608
                self._beside(session, place, columns)

    def bring_back(self, place: str, key: str) -> None:
        """Undo :meth:`put_away`. NotFound if it was not put away; Conflict is not possible: its key was its own."""
        with self.work.write() as session:
            aside = session.get(SetAsideRow, (place, key))
            if aside is None:
                raise NotFound("id", "kitchen-unreadable-not-put-away")
            if place in KEPT_BY_OTHERS:
                session.execute(text(f"UPDATE {place} SET deleted_at = NULL WHERE id = :key"), {"key": key})  # noqa: S608
            else:
                columns = dict(aside.body)
                if place == "culture_picture":
                    columns["data"] = bytes.fromhex(columns["data"])
                names = ", ".join(columns)
                marks = ", ".join(f":{name}" for name in columns)
                session.execute(text(f"INSERT OR IGNORE INTO {place} ({names}) VALUES ({marks})"), columns)  # noqa: S608
            session.delete(aside)
            self._beside(session, place, aside.body)

    def _beside(self, session: Session, place: str, columns: Columns) -> None:
        """An event more or less changes what stands beside its bake."""
        if place == "event" and columns.get("kind") in tale.ALL:
            write_bake(session, str(columns["subject"]))

    def _find(self, session: Session, place: str, key: str) -> Columns:
        for row, columns in unreadable_rows(session):
            if (row.place, row.key) == (place, key):
                return columns
        raise NotFound("id", "kitchen-unreadable-unknown")
