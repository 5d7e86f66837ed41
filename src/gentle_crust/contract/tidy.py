"""What comes from outside, made fit to keep: text without broken letters, times that a kitchen can have."""

import re
from datetime import UTC, datetime
from typing import Any

from gentle_crust.core.errors import CraftError, Unreadable

EARLIEST, LATEST = datetime(2000, 1, 1, tzinfo=UTC), datetime(2100, 1, 1, tzinfo=UTC)
_BROKEN = re.compile(r"[\ud800-\udfff]")
_BRACKETS = re.compile(rb'"(?:[^"\\]|\\.)*"|[\[\]{}]', re.S)
_CONTROL = re.compile(r"[\x00-\x08\x0b\x0c\x0e-\x1f\x7f]")


def clean(value: Any) -> Any:
    """A copy of ``value`` as JSON holds it, with half letters marked and control characters left out of its texts."""
    if isinstance(value, str):
        return value if value.isprintable() else _CONTROL.sub("", _BROKEN.sub("\ufffd", value))
    if isinstance(value, dict):
        return {clean(key): clean(each) for key, each in value.items()}
    if isinstance(value, list | tuple):
        return [clean(each) for each in value]
    return value


def nested(data: bytes) -> int:
    """How deep the brackets of a JSON text lie in one another, those inside its texts left out."""
    depth = deepest = 0
    for found in _BRACKETS.finditer(data):
        mark = found[0][:1]
        if mark in b"[{":
            depth += 1
            deepest = max(deepest, depth)
        elif mark in b"]}":
            depth -= 1
    return deepest


def sane(at: datetime, field: str) -> datetime:
    """``at`` if it has its offset and lies in this century. Raises CraftError, naming ``field``, if not."""
    if at.tzinfo is None:
        raise Unreadable(field, "contract-time-without-zone")
    if not EARLIEST.replace(tzinfo=None) <= at.replace(tzinfo=None) <= LATEST.replace(tzinfo=None):
        raise CraftError(field, "contract-year-out-of-span", year=at.year)
    return at
