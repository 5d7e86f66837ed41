"""Copies that the program makes by itself, once a day, and keeps by their age."""

import logging
import re
import threading
from collections.abc import Callable
from datetime import date, datetime, timedelta
from pathlib import Path

from sqlalchemy.exc import DatabaseError

from gentle_crust.store.backup import COPIES, write_backup
from gentle_crust.store.database import CannotOpen

LOG = logging.getLogger(__name__)
DAYS, WEEKS, MONTHS = 7, 4, 12
"""Of so many last days, weeks and months a copy is kept: the newest of each."""
SIZE_LIMIT = 2_000_000_000
"""Bytes that all copies together may take (practice); the newest always stays."""
EVERY = timedelta(hours=1)
"""How often it is looked whether a copy is due."""
SOON_S = 20.0
_NAME = re.compile(r"^(\d{4}-\d{2}-\d{2})\.zip$")


def copies_in(folder: Path) -> dict[date, Path]:
    """The copies of a folder by their day, the oldest first."""
    found = {}
    for path in sorted((folder / COPIES).glob("*.zip")):
        match = _NAME.match(path.name)
        if match:
            found[date.fromisoformat(match[1])] = path
    return found


def to_keep(days: list[date]) -> set[date]:
    """Of copies made on these days, those that are kept: the newest of each of the last days, weeks and months."""
    newest_first = sorted(days, reverse=True)
    kept = set(newest_first[:DAYS])
    for label, count in (("%G-%V", WEEKS), ("%Y-%m", MONTHS)):
        seen: dict[str, date] = {}
        for day in newest_first:
            seen.setdefault(day.strftime(label), day)
        kept |= set(list(seen.values())[:count])
    return kept


def make_copy(folder: Path, now: datetime, limit: int = SIZE_LIMIT) -> Path | None:
    """Make today's copy, if there is none, and let go of those that are too old or too many; None if there is one."""
    target = folder / COPIES / f"{now:%Y-%m-%d}.zip"
    if target.exists():
        return None
    target.parent.mkdir(mode=0o700, exist_ok=True)
    write_backup(folder, target, now)
    prune(folder, limit)
    return target


def prune(folder: Path, limit: int = SIZE_LIMIT) -> None:
    """Let go of copies that are too old, then of the oldest until all take no more than ``limit`` bytes."""
    there = copies_in(folder)
    kept = to_keep(list(there))
    for day in set(there) - kept:
        there.pop(day).unlink(missing_ok=True)
    sizes = {day: path.stat().st_size for day, path in there.items()}
    while len(sizes) > 1 and sum(sizes.values()) > limit:
        oldest = min(sizes)
        there[oldest].unlink(missing_ok=True)
        del sizes[oldest]


class DailyCopies:
    """Makes a copy every day for as long as the program runs; ``then`` is done each time after it."""

    def __init__(
        self,
        folder: Path,
        now: Callable[[], datetime],
        limit: int = SIZE_LIMIT,
        then: Callable[[], object] = lambda: None,
    ) -> None:
        self.folder, self.now, self.limit, self.then = folder, now, limit, then
        self._stopped = threading.Event()

    def start(self) -> None:
        """In the background, a little after the start."""
        threading.Thread(target=self._go, name="copies", daemon=True).start()

    def stop(self) -> None:
        """No more."""
        self._stopped.set()

    def _go(self) -> None:
        wait = SOON_S
        while not self._stopped.wait(wait):
            wait = EVERY / timedelta(seconds=1)
            try:
                make_copy(self.folder, self.now(), self.limit)
                self.then()
            except (CannotOpen, OSError, DatabaseError):
                LOG.exception("what is done every day could not be done")
