"""Columns that bear damage: what cannot be read is marked and kept, and every other row is read as ever."""

import json
from datetime import UTC, datetime
from typing import Any

from sqlalchemy import Dialect, String
from sqlalchemy.types import TypeDecorator

NO_TIME = datetime(1970, 1, 1, tzinfo=UTC)
"""Stands for an instant that cannot be read: no kitchen is so old."""

FOR_EVER = datetime(9999, 12, 31, tzinfo=UTC)
"""Stands for an end that nobody knows yet."""


class Damaged(dict[str, Any]):
    """A document that cannot be read: empty, with the ``text`` that is kept."""

    def __init__(self, text: str) -> None:
        super().__init__()
        self.text = text


class Instant(TypeDecorator[datetime]):
    """An aware instant, kept as UTC in ISO order; SQLite itself knows no zones. One that cannot be read: NO_TIME."""

    impl = String(32)
    cache_ok = True

    def process_bind_param(self, value: datetime | None, dialect: Dialect) -> str | None:
        """To UTC without a zone."""
        return None if value is None else value.astimezone(UTC).replace(tzinfo=None).isoformat(" ", "microseconds")

    def process_result_value(self, value: Any, dialect: Dialect) -> datetime | None:
        """Back to an aware instant."""
        if value is None:
            return None
        try:
            return datetime.fromisoformat(value).replace(tzinfo=UTC)
        except (TypeError, ValueError):
            return NO_TIME


class Document(TypeDecorator[dict[str, Any]]):
    """A JSON object. What is none is given back as :class:`Damaged`."""

    impl = String
    cache_ok = True

    def process_bind_param(self, value: dict[str, Any] | None, dialect: Dialect) -> str | None:
        """As JSON text; what was damaged, as it was."""
        if isinstance(value, Damaged):
            return value.text
        return None if value is None else json.dumps(value)

    def process_result_value(self, value: Any, dialect: Dialect) -> dict[str, Any] | None:
        """The object that the text holds."""
        if value is None:
            return Damaged("")
        try:
            found = json.loads(value)
        except (TypeError, ValueError, RecursionError):
            return Damaged(value if isinstance(value, str) else repr(value))
        return found if isinstance(found, dict) else Damaged(str(value))
