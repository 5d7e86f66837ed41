"""Opening the data file: safe settings, and its schema brought up to date with a copy taken first."""

import shutil
from pathlib import Path
from typing import Any

from alembic import command
from alembic.config import Config
from alembic.migration import MigrationContext
from alembic.script import ScriptDirectory
from sqlalchemy import Engine, create_engine, event
from sqlalchemy.orm import Session, sessionmaker

FILE = "gentle-crust.sqlite3"


def _settings(connection: Any, _record: Any) -> None:
    cursor = connection.cursor()
    for pragma in ("journal_mode=WAL", "synchronous=FULL", "foreign_keys=ON", "busy_timeout=5000"):
        cursor.execute(f"PRAGMA {pragma}")
    cursor.close()


def engine_for(folder: Path) -> Engine:
    """An engine on the data file of ``folder``, which is made if missing."""
    folder.mkdir(parents=True, exist_ok=True)
    engine = create_engine(f"sqlite:///{folder / FILE}")
    event.listen(engine, "connect", _settings)
    return engine


def _alembic(engine: Engine) -> Config:
    config = Config()
    config.set_main_option("script_location", str(Path(__file__).with_name("migrations")))
    config.attributes["engine"] = engine
    return config


def upgrade(engine: Engine, folder: Path) -> None:
    """Bring the schema up to date; an older file is copied beside itself before it is touched."""
    config = _alembic(engine)
    newest = ScriptDirectory.from_config(config).get_current_head()
    with engine.connect() as connection:
        current = MigrationContext.configure(connection).get_current_revision()
        connection.exec_driver_sql("PRAGMA wal_checkpoint(TRUNCATE)")
    if current == newest:
        return
    if current is not None:
        shutil.copy2(folder / FILE, folder / f"{FILE}.before-{newest}")
    command.upgrade(config, "head")


def folder_of(sessions: sessionmaker[Session]) -> Path:
    """The folder in which an open store's data file lies."""
    return Path(str(sessions.kw["bind"].url.database)).parent


def open_store(folder: Path) -> sessionmaker[Session]:
    """Sessions on the up-to-date data file of ``folder``."""
    engine = engine_for(folder)
    upgrade(engine, folder)
    return sessionmaker(engine, expire_on_commit=False)
