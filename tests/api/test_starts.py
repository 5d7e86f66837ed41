"""Every bad start is a sentence with the way out, never a traceback, and leaves the data as they are."""

import logging
import os
import socket
import sqlite3
import subprocess
import sys
from contextlib import closing
from types import SimpleNamespace

import pytest

from gentle_crust import log
from gentle_crust.authority import AUTHORITY, AUTHORITY_KEY, CERTIFICATE, KEY
from gentle_crust.cli import main
from gentle_crust.config import config
from gentle_crust.store.copies import make_copy
from gentle_crust.store.database import FILE, CannotOpen, known_schemas, make_file, make_folder, open_store
from gentle_crust.store.lock import LOCK, in_use, locked
from tests.conftest import SATURDAY


@pytest.fixture
def start(capsys):
    """Start to serve, here; what is said, and how it ended."""
    before = os.umask(0o022)

    def run(folder, *more):
        status = main(["serve", "--port", "0", "--data", str(folder), *more])
        said = capsys.readouterr()
        return SimpleNamespace(returncode=status, stdout=said.out, stderr=said.err)

    yield run
    os.umask(before)


def refused(found, *words):
    assert found.returncode == 2, found.stderr
    assert "Traceback" not in found.stderr and found.stdout == ""
    assert all(word in found.stderr for word in words), found.stderr
    return True


@pytest.fixture
def closed(folder, sessions):
    sessions.kw["bind"].dispose()
    with sqlite3.connect(folder / FILE) as file:
        file.execute("PRAGMA wal_checkpoint(TRUNCATE)")
    return folder


def _empty(folder):
    for path in folder.glob(f"{FILE}*"):
        path.unlink()
    (folder / FILE).write_bytes(b"")


def _noise(folder):
    data = bytearray((folder / FILE).read_bytes())
    data[4096:65_536] = os.urandom(61_440)
    (folder / FILE).write_bytes(data)


def _text(folder):
    (folder / FILE).write_text("a shopping list\n" * 400, encoding="utf-8")


def _newer(folder):
    with closing(sqlite3.connect(folder / FILE)) as file, file:
        file.execute("UPDATE alembic_version SET version_num = '0999'")


def _foreign(folder):
    (folder / FILE).unlink()
    with sqlite3.connect(folder / FILE) as file:
        file.execute("CREATE TABLE other (x)")


def _torn(folder):
    data = (folder / FILE).read_bytes()
    (folder / FILE).write_bytes(data[: len(data) // 2])


SPOILT = {
    "emptied": (_empty, "is empty"), "noise": (_noise, "damaged"), "not a database": (_text, "not a data file"),
    "of a newer program": (_newer, "newer version"), "of another program": (_foreign, "not a data file"),
    "torn": (_torn, "damaged"),
}  # fmt: skip


@pytest.mark.parametrize("name", SPOILT)
def test_a_spoilt_data_file_is_told_with_the_way_out_and_left_alone(closed, name):
    spoil, words = SPOILT[name]
    copy = make_copy(closed, SATURDAY)
    spoil(closed)
    before = (closed / FILE).read_bytes()
    with pytest.raises(CannotOpen, match=words) as told:
        open_store(closed)
    if name != "of a newer program":
        assert f"gentle-crust restore {copy}" in str(told.value)
    assert (closed / FILE).read_bytes() == before


def test_a_start_that_cannot_be_is_one_sentence(closed, tmp_path, start):
    _noise(closed)
    assert refused(start(closed), "damaged", "restore")
    (tmp_path / "file").write_text("x", encoding="utf-8")
    assert refused(start(tmp_path / "file"), "cannot be used for data")
    assert refused(start(tmp_path / "file" / "inside"), "cannot be used")
    assert refused(start(tmp_path / "new", "--devices", "kitchen"), "http://")


def test_a_data_file_that_is_gone_is_not_taken_for_a_new_kitchen(closed):
    make_copy(closed, SATURDAY)
    for path in closed.glob(f"{FILE}*"):
        path.unlink()
    with pytest.raises(CannotOpen, match="is gone"):
        open_store(closed)
    assert not (closed / FILE).exists()


def test_a_start_that_was_cut_short_is_begun_again(tmp_path):
    folder = tmp_path / "data"
    folder.mkdir()
    (folder / f"{FILE}.new").write_bytes(b"half of it")
    open_store(folder).kw["bind"].dispose()
    assert (folder / FILE).exists() and not (folder / f"{FILE}.new").exists()


def test_no_room_and_no_permission_are_told(tmp_path, monkeypatch):
    from pathlib import Path

    def full(self, data):
        raise OSError(28, "No space left on device")

    def forbidden(self, data):
        raise PermissionError(13, "Permission denied")

    for broken, words in ((full, "no room left"), (forbidden, "belong to you")):
        monkeypatch.setattr(Path, "write_bytes", broken)
        with pytest.raises(CannotOpen, match=words):
            make_folder(tmp_path / "data")
        monkeypatch.undo()


def test_a_file_that_another_program_holds_is_told(closed, monkeypatch):
    (closed / FILE).unlink()
    make_file(closed, known_schemas()[-2])
    monkeypatch.setattr("gentle_crust.store.database.BUSY_MS", 50)
    with closing(sqlite3.connect(closed / FILE, isolation_level=None)) as other:
        other.execute("BEGIN IMMEDIATE")
        with pytest.raises(CannotOpen, match="another program"):
            open_store(closed)
        other.execute("ROLLBACK")
    open_store(closed).kw["bind"].dispose()


def test_a_port_that_is_taken_is_told(tmp_path):
    with socket.create_server(("127.0.0.1", 0)) as taken:
        port = str(taken.getsockname()[1])
        called = [sys.executable, "-m", "gentle_crust.cli", "serve", "--port", port, "--data", str(tmp_path / "data")]
        found = subprocess.run(called, capture_output=True, text=True, timeout=90, check=False)
    assert refused(found, f"Port {port}", "--port")


@pytest.mark.parametrize("content", [b"", b"no certificate"])
def test_a_broken_certificate_is_told(tmp_path, content, start, monkeypatch):
    monkeypatch.setenv("GENTLE_CRUST_PASSCODE", "a-passcode")
    monkeypatch.setattr("gentle_crust.cli.serving.signal.signal", lambda *_: None)
    folder = tmp_path / "data"
    folder.mkdir()
    for name in (AUTHORITY, AUTHORITY_KEY, CERTIFICATE, KEY):
        (folder / name).write_bytes(content)
    found = start(folder, "--lan", "--host", "127.0.0.1")
    assert found.returncode == 2 and "certificate" in found.stderr and "lan-key" in found.stderr


@pytest.mark.parametrize(
    ("name", "value"),
    [("RATE", "quick"), ("RATE", "-1"), ("LOG", "loud"), ("LOG_LEVEL", "SOME"), ("COPIES_BYTES", "-5"),
     ("NOW", "breakfast"), ("NOW", "2026-11-28T06:30")],
)  # fmt: skip
def test_a_setting_that_is_wrong_names_itself(tmp_path, name, value, start, monkeypatch):
    monkeypatch.setenv(f"GENTLE_CRUST_{name}", value)
    before = logging.getLogger().handlers[:], logging.getLogger().level
    try:
        with pytest.raises(SystemExit, match=f"GENTLE_CRUST_{name}"):
            start(tmp_path / "data")
    finally:
        logging.getLogger().handlers[:] = before[0]
        logging.getLogger().setLevel(before[1])


def test_settings_are_read_from_the_environment(monkeypatch, tmp_path):
    for name in [name for name in os.environ if name.startswith("GENTLE_CRUST_")]:
        monkeypatch.delenv(name)
    monkeypatch.setenv("GENTLE_CRUST_DATA", str(tmp_path))
    monkeypatch.setenv("GENTLE_CRUST_PASSCODE", "secret-secret")
    found = config()
    assert found.folder() == tmp_path and found.folder("/elsewhere").name == "elsewhere"
    assert "secret" not in repr(found), "a passcode is never shown"
    monkeypatch.setenv("GENTLE_CRUST_DATA", "")
    assert config().folder().name == "gentle-crust"


def test_a_folder_is_used_by_one_program_at_a_time(tmp_path):
    with locked(tmp_path):
        assert in_use(tmp_path) and (tmp_path / LOCK).read_text() == str(os.getpid())
        with pytest.raises(CannotOpen, match=str(os.getpid())), locked(tmp_path):
            pass
    assert not in_use(tmp_path)
    with locked(tmp_path):
        pass
    assert not in_use(tmp_path / "nowhere")


def test_what_is_made_is_its_owners_alone_and_the_file_is_whole_after_a_stop(tmp_path):
    from live import serving

    folder = tmp_path / "outer"
    with serving("serve", folder=folder):
        pass
    data = folder / "data"
    assert data.stat().st_mode & 0o077 == 0
    assert [path.name for path in data.iterdir() if path.stat().st_mode & 0o077] == []
    assert not (data / f"{FILE}-wal").exists() or (data / f"{FILE}-wal").stat().st_size == 0
    with sqlite3.connect(f"file:{data / FILE}?mode=ro&immutable=1", uri=True) as file:
        assert file.execute("SELECT count(*) FROM formula").fetchone()[0] > 0


def test_the_log_is_a_json_a_line_if_wanted_and_holds_its_request(capsys):
    import json

    before = logging.getLogger().handlers[:], logging.getLogger().level
    try:
        log.set_up("json", "INFO")
        try:
            raise ValueError("torn")
        except ValueError:
            logging.getLogger("x").exception("request %s failed", "abc", extra={"request": "abc"})
        line = json.loads(capsys.readouterr().err.splitlines()[-1])
        assert (line["level"], line["request"], line["text"]) == ("ERROR", "abc", "request abc failed")
        assert "torn" in line["traceback"]
    finally:
        logging.getLogger().handlers[:] = before[0]
        logging.getLogger().setLevel(before[1])
