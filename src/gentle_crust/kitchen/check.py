"""Looking over all data of a kitchen: what is damaged or missing, and what ought to be seen to, in words."""

import sqlite3
import stat
import tempfile
from collections.abc import Iterator
from contextlib import closing
from datetime import datetime, timedelta
from pathlib import Path

from gentle_crust.contract.events import PHOTO
from gentle_crust.contract.keeping import Finding, UnreadableRow
from gentle_crust.core.messages import message
from gentle_crust.kitchen.unreadable import unreadable_rows
from gentle_crust.store.backup import PHOTOS, last_backup, size_of
from gentle_crust.store.copies import copies_in
from gentle_crust.store.database import (
    FILE,
    CannotOpen,
    copy_file,
    damage_of,
    free_bytes,
    known_schemas,
    newest_schema,
    open_store,
    schema_of,
)

OLD_BACKUP = timedelta(days=30)
LEAST_FREE = 500_000_000
DAMAGE = ("no_data", "database_damaged", "newer_program", "row_unreadable", "photo_missing")
"""Findings that mean damage or loss; all others are advice."""
MOST_NAMED = 50


def check(folder: Path, now: datetime) -> tuple[Finding, ...]:
    """Everything that is to be said of a folder's data. Writes nothing there, and may run while the program does."""
    path = folder / FILE
    if not path.is_file():
        return (Finding("no_data", message("check-no-data", folder=str(folder))),)
    found = list(_database(folder))
    if not any(each.code in ("database_damaged", "newer_program") for each in found):
        try:
            found += _inside(folder)
        except (CannotOpen, sqlite3.DatabaseError) as error:
            found.append(Finding("database_damaged", message("check-not-to-be-read-through", error=str(error))))
    return (*found, *_advice(folder, now))


def is_well(findings: tuple[Finding, ...]) -> bool:
    """Whether nothing is damaged or missing."""
    return not any(each.code in DAMAGE for each in findings)


def _database(folder: Path) -> Iterator[Finding]:
    path = folder / FILE
    damage = damage_of(path, thorough=True)
    if damage:
        text = message("check-damaged", damage=damage[0])
        yield Finding("database_damaged", text)
        return
    try:
        schema = schema_of(path)
    except sqlite3.DatabaseError as error:
        yield Finding("database_damaged", message("check-not-to-be-read", error=str(error)))
        return
    if schema is None:
        yield Finding("database_damaged", message("check-no-data-file", path=str(path)))
    elif schema not in known_schemas():
        yield Finding("newer_program", message("check-newer-program"))
    elif schema != newest_schema():
        yield Finding("older_program", message("check-older-program"))


def _inside(folder: Path) -> Iterator[Finding]:
    """Rows and photos, looked at in a copy, which is brought up to date first."""
    with tempfile.TemporaryDirectory() as scratch:
        side = Path(scratch)
        copy_file(folder / FILE, side / FILE)
        sessions = open_store(side)
        try:
            with sessions() as session:
                rows = [row for row, _ in unreadable_rows(session)]
        finally:
            sessions.kw["bind"].dispose()
        with closing(sqlite3.connect(side / FILE)) as connection:
            keys = {str(row[0]) for row in connection.execute("SELECT id FROM event WHERE kind = ?", (PHOTO,))}
    yield from (_of_row(row) for row in rows[:MOST_NAMED])
    if len(rows) > MOST_NAMED:
        yield Finding("row_unreadable", message("check-rows-more", count=len(rows) - MOST_NAMED))
    yield from _photos(folder, keys)


def _of_row(row: UnreadableRow) -> Finding:
    what = message("check-named", what=row.what, name=row.name) if row.name else row.what
    if row.at:
        what = message("check-of", what=what, day=f"{row.at:%d %B %Y}")
    text = message("check-row", what=what, key=row.key, why=row.sentence)
    return Finding("row_unreadable", text)


def _photos(folder: Path, keys: set[str]) -> Iterator[Finding]:
    there = {path.name.removesuffix(".jpg") for path in (folder / PHOTOS).glob("*.jpg") if ".small" not in path.name}
    for key in sorted(keys - there)[:MOST_NAMED]:
        yield Finding("photo_missing", message("check-photo-missing", key=key))
    if orphans := there - keys:
        text = message("check-photos-of-no-bake", count=len(orphans))
        yield Finding("photo_orphaned", text)
    if halves := list((folder / PHOTOS).glob("*.half")):
        yield Finding("half_written", message("check-photos-half", count=len(halves)))


def _advice(folder: Path, now: datetime) -> Iterator[Finding]:
    free, size = free_bytes(folder), size_of(folder)
    if free < max(LEAST_FREE, 3 * size):
        yield Finding("disk_space", message("check-disk-space", free=round(free / 1e6), size=round(size / 1e6, 1)))
    last = last_backup(folder)
    if last is None:
        yield Finding("backup_none", message("check-no-backup"))
    elif now - last > OLD_BACKUP:
        yield Finding("backup_old", message("check-old-backup", days=(now - last).days))
    copies = copies_in(folder)
    if copies and now.date() - max(copies) > timedelta(days=7):
        days = (now.date() - max(copies)).days
        yield Finding("copy_old", message("check-old-copy", days=days))
    if stat.S_IMODE((folder / FILE).stat().st_mode) & 0o077:
        yield Finding("open_to_others", message("check-open-to-others", file=str(folder / FILE)))
