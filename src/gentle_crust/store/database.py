"""Opening the data file: whole or not at all, its schema brought up to date with a copy taken first."""

import errno
import shutil
import sqlite3
import threading
from collections.abc import Iterator
from contextlib import closing, contextmanager, suppress
from pathlib import Path
from typing import Any

from sqlalchemy import Connection, Engine, create_engine, event, text
from sqlalchemy.exc import DatabaseError
from sqlalchemy.orm import Session, sessionmaker

from gentle_crust.store.models import Base

FILE = "gentle-crust.sqlite3"
BUSY_MS = 5000
IMMEDIATE = {"immediate": True}
"""Execution options of a transaction that is going to write: it waits for its turn at once, not half way."""
QUICK_CHECK_BYTES = 200_000_000
"""Up to so many bytes a data file is looked through at every start."""


class CannotOpen(Exception):
    """The data cannot be opened as they are; the text says why and what to do."""


class Gate:
    """Lets any number of units of work in together, or one that replaces all the data alone."""

    def __init__(self) -> None:
        self._inside = 0
        self._closed = False
        self._changed = threading.Condition()

    @contextmanager
    def open(self) -> Iterator[None]:
        """One unit of work."""
        with self._changed:
            self._changed.wait_for(lambda: not self._closed)
            self._inside += 1
        try:
            yield
        finally:
            with self._changed:
                self._inside -= 1
                self._changed.notify_all()

    @contextmanager
    def alone(self, wait_s: float = 30.0) -> Iterator[None]:
        """Nobody else is inside. CannotOpen if that takes too long."""
        with self._changed:
            self._closed = True
            if not self._changed.wait_for(lambda: self._inside == 0, wait_s):
                self._closed = False
                self._changed.notify_all()
                raise CannotOpen("The program is busy. Try again in a moment.")
        try:
            yield
        finally:
            with self._changed:
                self._closed = False
                self._changed.notify_all()


def _text(data: bytes) -> str:
    """A text of the file; letters that are broken are marked, and cost no more than themselves."""
    return data.decode("utf-8", "replace")


def _settings(connection: Any, _record: Any) -> None:
    connection.text_factory = _text
    connection.isolation_level = None  # transactions are begun below, so that tables are made inside them too
    cursor = connection.cursor()
    for pragma in ("journal_mode=WAL", "synchronous=FULL", "foreign_keys=ON", f"busy_timeout={BUSY_MS}"):
        cursor.execute(f"PRAGMA {pragma}")
    cursor.close()


def _begin(connection: Connection) -> None:
    waits = connection.get_execution_options().get("immediate")
    connection.exec_driver_sql("BEGIN IMMEDIATE" if waits else "BEGIN")


def engine_for(folder: Path) -> Engine:
    """An engine on the data file of ``folder``."""
    engine = create_engine(f"sqlite:///{folder / FILE}")
    event.listen(engine, "connect", _settings)
    event.listen(engine, "begin", _begin)
    return engine


MIGRATIONS = Path(__file__).with_name("migrations")


def newest_schema() -> str:
    """The name of the newest schema that this program knows."""
    return known_schemas()[-1]


def known_schemas() -> tuple[str, ...]:
    """The names of all schemas that there ever were, the oldest first: each migration's file begins with its own."""
    return tuple(sorted(path.name.split("_")[0] for path in (MIGRATIONS / "versions").glob("[0-9]*_*.py")))


def _migrate(engine: Engine, to: str = "head") -> None:
    """Bring the schema to ``to`` in one transaction."""
    from alembic import command  # it takes long to load, and most starts change no schema
    from alembic.config import Config

    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    with engine.connect().execution_options(**IMMEDIATE) as connection, connection.begin():
        config.attributes["connection"] = connection
        command.upgrade(config, to)


def _make_newest(engine: Engine) -> None:
    """Every table as it is today, at once: a new kitchen need not go through all that ever changed."""
    with engine.connect().execution_options(**IMMEDIATE) as connection, connection.begin():
        Base.metadata.create_all(connection)
        connection.execute(text("CREATE TABLE alembic_version (version_num VARCHAR(32) NOT NULL PRIMARY KEY)"))
        connection.execute(text("INSERT INTO alembic_version VALUES (:newest)"), {"newest": newest_schema()})


def make_file(folder: Path, schema: str = "head") -> None:
    """A new data file, there only when it is whole; ``schema``: an older one, to try what comes of it."""
    engine = create_engine(f"sqlite:///{folder / (FILE + '.new')}")
    event.listen(engine, "connect", lambda connection, _: setattr(connection, "isolation_level", None))
    event.listen(engine, "begin", _begin)
    (folder / f"{FILE}.new").unlink(missing_ok=True)
    if schema == "head":
        _make_newest(engine)
    else:
        _migrate(engine, schema)
    engine.dispose()
    (folder / f"{FILE}.new").chmod(0o600)
    (folder / f"{FILE}.new").replace(folder / FILE)


def _copy_before(folder: Path, to: str) -> None:
    """A clean copy beside the file before its schema changes; one that is there already is never written over."""
    half = folder / f"{FILE}.before-{to}.half"
    copy_file(folder / FILE, half)
    for number in range(1, 1000):
        kept = folder / (f"{FILE}.before-{to}" if number == 1 else f"{FILE}.before-{to}-{number}")
        if not kept.exists():
            half.replace(kept)
            return
        if kept.read_bytes() == half.read_bytes():
            half.unlink()
            return


def copy_file(source: Path, target: Path) -> None:
    """A data file, whole in itself, of another that may be in use."""
    target.unlink(missing_ok=True)
    with (
        closing(sqlite3.connect(f"file:{source}?mode=ro", uri=True)) as here,
        closing(sqlite3.connect(target)) as there,
    ):
        here.backup(there)
        there.execute("PRAGMA journal_mode=DELETE")
    target.chmod(0o600)


def schema_of(path: Path) -> str | None:
    """The schema that a data file has; None if it has no tables of this program. sqlite3.DatabaseError if damaged."""
    with closing(sqlite3.connect(f"file:{path}?mode=ro", uri=True)) as connection:
        there = connection.execute("SELECT 1 FROM sqlite_master WHERE name = 'alembic_version'").fetchone()
        row = connection.execute("SELECT version_num FROM alembic_version").fetchone() if there else None
    return None if row is None else str(row[0])


def damage_of(path: Path, thorough: bool = False) -> tuple[str, ...]:
    """What SQLite itself finds wrong with a data file, in its words; nothing if it is whole."""
    pragma = "integrity_check" if thorough else "quick_check"
    try:
        with closing(sqlite3.connect(f"file:{path}?mode=ro", uri=True)) as connection:
            said = [str(row[0]) for row in connection.execute(f"PRAGMA {pragma}(20)")]
    except sqlite3.DatabaseError as error:
        return (str(error),)
    return () if said == ["ok"] else tuple(said)


def _way_out(folder: Path) -> str:
    """How to get data back, in words, with the newest copy that there is."""
    copies = sorted((folder / "copies").glob("*.zip")) or sorted(folder.glob(f"{FILE}.before-*"))
    if not copies:
        return "If you have a backup, bring it back with: gentle-crust restore FILE"
    return f"Bring back the newest copy with: gentle-crust restore {copies[-1]} --data {folder}"


def _check_file(folder: Path) -> str | None:
    """The schema of the file that is there. CannotOpen, with the way out, for one that cannot be worked with."""
    path = folder / FILE
    if path.stat().st_size == 0 and not _wal(path):
        raise CannotOpen(f"The data file {path} is empty: its content was lost.\n{_way_out(folder)}")
    try:
        schema = schema_of(path)
        damage = damage_of(path) if path.stat().st_size < QUICK_CHECK_BYTES else ()
    except sqlite3.OperationalError as error:
        raise CannotOpen(f"The data file {path} cannot be opened ({error}). {_permission(folder)}") from error
    except sqlite3.DatabaseError as error:
        what = "is not a data file of this program" if "not a database" in str(error) else "is damaged"
        raise CannotOpen(f"The file {path} {what} ({error}).\n{_way_out(folder)}") from error
    if damage:
        raise CannotOpen(f"The data file {path} is damaged ({damage[0]}).\n{_way_out(folder)}")
    if schema is None:
        raise CannotOpen(f"{path} is not a data file of this program.\n{_way_out(folder)}")
    if schema not in known_schemas():
        raise CannotOpen(
            f"The data in {folder} were written by a newer version of this program (schema {schema}; this one knows"
            f" {newest_schema()}).\nUpdate the program, or give another folder with --data."
        )
    return schema


def _must_be_new(folder: Path) -> None:
    """CannotOpen for a folder whose data file is gone, though there was one."""
    if _wal(folder / FILE) or any((folder / "copies").glob("*.zip")) or any(folder.glob(f"{FILE}.before-*")):
        raise CannotOpen(
            f"The data file in {folder} is gone, though copies of it are there.\n{_way_out(folder)}\n"
            "To begin anew, give an empty folder with --data."
        )


def _wal(path: Path) -> bool:
    wal = path.with_name(f"{path.name}-wal")
    return wal.exists() and wal.stat().st_size > 0


def _permission(folder: Path) -> str:
    return f"See that {folder} and what is in it belong to you and can be written."


def upgrade(engine: Engine, folder: Path) -> None:
    """Bring the schema up to date, all or nothing; an older file is copied beside itself before it is touched."""
    newest = newest_schema()
    if schema_of(folder / FILE) != newest:
        engine.connect().close()  # the file's own settings first: every copy of it is then alike
        _copy_before(folder, newest)
        _migrate(engine)


def make_folder(folder: Path) -> None:
    """The folder for data, its owner's alone. CannotOpen if it cannot be made or written."""
    try:
        if not folder.exists():
            folder.mkdir(parents=True, mode=0o700)
        probe = folder / ".written"
        probe.write_bytes(b"")
        probe.unlink()
    except OSError as error:
        raise CannotOpen(_of_disk(folder, error)) from error


def _of_disk(folder: Path, error: OSError) -> str:
    if error.errno in (errno.ENOSPC, errno.EDQUOT):
        return f"There is no room left on the disk of {folder}. Make room, or give another folder with --data."
    if error.errno in (errno.EACCES, errno.EPERM, errno.EROFS):
        return f"Nothing can be written to {folder} ({error.strerror}). {_permission(folder)}"
    return f"{folder} cannot be used for data ({error.strerror}). Give another folder with --data."


def folder_of(sessions: sessionmaker[Session]) -> Path:
    """The folder in which an open store's data file lies."""
    return Path(str(sessions.kw["bind"].url.database)).parent


def gate_of(sessions: sessionmaker[Session]) -> Gate:
    """The gate of an open store."""
    found: Gate = sessions.kw["info"]["gate"]
    return found


def open_store(folder: Path) -> sessionmaker[Session]:
    """Sessions on the up-to-date data file of ``folder``. CannotOpen if that cannot be."""
    make_folder(folder)
    try:
        if not (folder / FILE).exists():
            _must_be_new(folder)
            make_file(folder)
        _check_file(folder)
        with suppress(OSError):
            (folder / FILE).chmod(0o600)
        engine = engine_for(folder)
        upgrade(engine, folder)
    except (DatabaseError, sqlite3.DatabaseError) as error:
        said = str(error.orig if isinstance(error, DatabaseError) else error)
        if "full" in said or "disk I/O" in said:
            raise CannotOpen(_of_disk(folder, OSError(errno.ENOSPC, said))) from error
        if "locked" in said:
            raise CannotOpen(
                f"The data file in {folder} is held by another program. Close that, then start."
            ) from error
        if "readonly" in said or "unable to open" in said:
            raise CannotOpen(f"Nothing can be written to {folder} ({said}). {_permission(folder)}") from error
        raise CannotOpen(f"The data file in {folder} cannot be opened ({said}).\n{_way_out(folder)}") from error
    except OSError as error:
        raise CannotOpen(_of_disk(folder, error)) from error
    return sessionmaker(engine, expire_on_commit=False, info={"gate": Gate()})


def free_bytes(folder: Path) -> int:
    """Room left on the disk of ``folder``."""
    return shutil.disk_usage(folder).free
