"""Backups, copies, findings and unreadable rows: as they are shown."""

from dataclasses import dataclass
from datetime import datetime

from gentle_crust.contract.strict import Short, Shown, Strict
from gentle_crust.core.messages import Message


@dataclass(frozen=True)
class Finding:
    """One thing that was found."""

    code: str
    text: Message


@dataclass(frozen=True)
class KeptCopies:
    """What there is to go back to: the daily copies by their days, the newest first, and the last backup."""

    days: tuple[str, ...]
    last_backup: datetime | None
    folder: str
    bytes: int


@dataclass(frozen=True)
class UnreadableRow:
    """A row that cannot be read: where it lies and under which key, what it is, its name and date as far as known."""

    place: str
    key: str
    what: Message
    name: str
    at: datetime | None
    sentence: Message


class KeptAnswer(Shown):
    """What there is to go back to."""

    copies: KeptCopies


class FindingsAnswer(Shown):
    """What is damaged or missing (then ``ok`` is false), and what ought to be seen to."""

    ok: bool
    findings: list[Finding]


class RestoredAnswer(Shown):
    """Which backup's data are in use now, and where those before are kept."""

    made_at: datetime
    aside: str


class UnreadableAnswer(Shown):
    """Rows that cannot be read."""

    rows: list[UnreadableRow]


class RowBody(Strict):
    """A row by its place and key."""

    place: Short
    key: str


class RowQuery(Shown):
    """A row by its place and key."""

    place: str
    key: str


class CopyPath(Shown):
    """The day of a copy."""

    day: str
