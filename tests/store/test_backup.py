"""Backups: whole, written while the program works, brought back only when proved, on this machine or another."""

import hashlib
import io
import json
import os
import sqlite3
import subprocess
import sys
import threading
import zipfile
from datetime import UTC, date, datetime, timedelta
from itertools import pairwise
from types import SimpleNamespace

import pytest
from PIL import Image

from gentle_crust.api.app import create_app
from gentle_crust.cli import main
from gentle_crust.demo import TOMORROW_PLAN
from gentle_crust.kitchen.check import check, is_well
from gentle_crust.kitchen.photos import PhotoShelf
from gentle_crust.kitchen.work import Work
from gentle_crust.store.backup import (
    ASIDE,
    MANIFEST,
    last_backup,
    read_manifest,
    restore,
    sweep,
    unpack,
    write_backup,
)
from gentle_crust.store.copies import copies_in, make_copy, prune, to_keep
from gentle_crust.store.database import FILE, CannotOpen, damage_of, gate_of, open_store
from gentle_crust.store.lock import in_use, locked
from tests.api.conftest import Day
from tests.conftest import SATURDAY


def rows_of(path):
    """Everything in a data file, table by table, row by row, column by column."""
    with sqlite3.connect(path) as file:
        names = [row[0] for row in file.execute("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name")]
        return {name: sorted(file.execute(f"SELECT * FROM {name}").fetchall(), key=repr) for name in names}


EVERYTHING = (
    "/api/formulas", "/api/plans", "/api/cultures", "/api/pantry", "/api/bakes", "/api/kitchen",
    f"/api/plans/{TOMORROW_PLAN}", f"/api/bakes/{TOMORROW_PLAN}", f"/api/bench/{TOMORROW_PLAN}/record",
)  # fmt: skip


def photographed(day):
    day.mixed()
    picture = io.BytesIO()
    Image.new("RGB", (640, 480), (180, 140, 90)).save(picture, "JPEG")
    found = day.client.put(f"/api/bench/{TOMORROW_PLAN}/photos/slice-1", data=picture.getvalue())
    assert found.status_code == 200
    return picture.getvalue()


@pytest.fixture
def busy(sessions, folder):
    """A kitchen with a dough, notes and a photo, still open."""
    day = Day(sessions)
    photographed(day)
    day.press("bake_note", {"text": "kept"})
    return day


def test_a_backup_holds_everything_and_says_what(busy, folder, tmp_path):
    made = write_backup(folder, tmp_path / "all.zip", SATURDAY)
    found = read_manifest(tmp_path / "all.zip")
    assert found == made and found.made_at == SATURDAY and found.rows["formula"] == 7 and found.rows["event"] >= 40
    assert {member.name for member in found.files} == {FILE, "photos/slice-1.jpg", "photos/slice-1.small.jpg"}
    with zipfile.ZipFile(tmp_path / "all.zip") as packed:
        for member in found.files:
            data = packed.read(member.name)
            assert (len(data), hashlib.sha256(data).hexdigest()) == (member.size, member.sha256)
    assert (tmp_path / "all.zip").stat().st_mode & 0o077 == 0 and last_backup(folder) == SATURDAY
    assert not list(folder.glob(".backup-*")) and not list(tmp_path.glob(".all*"))


def test_a_restored_kitchen_on_another_machine_is_the_same_field_by_field(busy, folder, tmp_path):
    before = {path: busy.client.get(path).json for path in EVERYTHING}
    photo = busy.client.get("/api/photos/slice-1").data
    write_backup(folder, tmp_path / "all.zip", SATURDAY)
    elsewhere = tmp_path / "other machine" / "kitchen"
    manifest, aside = restore(elsewhere, tmp_path / "all.zip", SATURDAY)
    assert aside is None and manifest.rows["plan"] == 1
    sessions = open_store(elsewhere)
    client = create_app(sessions, lambda: busy.now, "127.0.0.1").test_client()
    assert {path: client.get(path).json for path in before} == before
    assert client.get("/api/photos/slice-1").data == photo
    sessions.kw["bind"].dispose()
    busy.sessions.kw["bind"].dispose()
    assert rows_of(elsewhere / FILE) == rows_of(folder / FILE)
    assert is_well(check(elsewhere, SATURDAY))


def test_what_was_there_is_kept_aside_and_can_be_had_back(busy, folder, tmp_path):
    write_backup(folder, tmp_path / "all.zip", SATURDAY)
    busy.press("bake_note", {"text": "after the backup"}, key="later")
    busy.sessions.kw["bind"].dispose()
    (folder / "lan-passcode").write_text("abc-def", encoding="utf-8")
    _, aside = restore(folder, tmp_path / "all.zip", SATURDAY)
    assert aside is not None and aside.parent == folder / ASIDE
    ids = [row[0] for row in rows_of(folder / FILE)["event"]]
    assert "later" not in ids and "later" in [row[0] for row in rows_of(aside / FILE)["event"]]
    assert (aside / "photos" / "slice-1.jpg").exists() and (folder / "lan-passcode").exists()
    restore(folder, aside / FILE, SATURDAY)
    assert "later" in [row[0] for row in rows_of(folder / FILE)["event"]]


def spoilt(path, target, change):
    """A backup with something wrong with it."""
    with zipfile.ZipFile(path) as packed:
        files = {name: packed.read(name) for name in packed.namelist()}
    change(files)
    with zipfile.ZipFile(target, "w") as packed:
        for name, data in files.items():
            packed.writestr(name, data)
    return target


def _manifest(files, change):
    body = json.loads(files[MANIFEST])
    change(body)
    files[MANIFEST] = json.dumps(body).encode()


def _noise(files):
    data = bytearray(files[FILE])
    data[20_000:24_000] = b"\x5a" * 4000
    files[FILE] = bytes(data)


def _honest_noise(files):
    _noise(files)
    _manifest(files, lambda body: body["files"].__setitem__(
        0, {"name": FILE, "size": len(files[FILE]), "sha256": hashlib.sha256(files[FILE]).hexdigest()}))  # fmt: skip


def _climbing(files):
    files["../out.jpg"] = b"x"
    named = {"name": "../out.jpg", "size": 1, "sha256": hashlib.sha256(b"x").hexdigest()}
    _manifest(files, lambda body: body["files"].append(named))


SPOILT = {
    "another byte": _noise,
    "damage that was there already": _honest_noise,
    "no list": lambda files: files.pop(MANIFEST),
    "a list of something else": lambda files: _manifest(files, lambda body: body.update(format="other")),
    "a newer kind of backup": lambda files: _manifest(files, lambda body: body.update(version=9)),
    "a photo that is missing": lambda files: files.pop("photos/slice-1.jpg"),
    "no data file": lambda files: _manifest(files, lambda body: body.update(files=body["files"][1:])),
    "a file that climbs out": _climbing,
    "a size that is not its own": lambda files: _manifest(files, lambda body: body["files"][0].update(size=10)),
    "a list that is no list": lambda files: files.update({MANIFEST: b"[1, 2"}),
}


@pytest.mark.many
@pytest.mark.parametrize("name", SPOILT)
def test_a_backup_that_is_not_whole_changes_nothing(busy, folder, tmp_path, name):
    write_backup(folder, tmp_path / "all.zip", SATURDAY)
    busy.sessions.kw["bind"].dispose()
    bad = spoilt(tmp_path / "all.zip", tmp_path / "bad.zip", SPOILT[name])
    before = rows_of(folder / FILE)
    with pytest.raises(CannotOpen):
        restore(folder, bad, SATURDAY)
    assert rows_of(folder / FILE) == before and not (folder / ASIDE).exists()
    assert not (tmp_path / "out.jpg").exists() and not list(tmp_path.glob(".data-restore-*"))


@pytest.mark.parametrize("content", [b"", b"not a backup", b"PK\x03\x04 torn", b"SQLite format 3\0 torn"])
def test_what_is_no_backup_is_refused(folder, sessions, tmp_path, content):
    sessions.kw["bind"].dispose()
    (tmp_path / "odd").write_bytes(content)
    with pytest.raises(CannotOpen):
        restore(folder, tmp_path / "odd", SATURDAY)
    with pytest.raises(CannotOpen):
        restore(folder, tmp_path / "nowhere.zip", SATURDAY)
    assert damage_of(folder / FILE, thorough=True) == ()


def test_a_move_that_fails_half_way_puts_everything_back(busy, folder, tmp_path, monkeypatch):
    from pathlib import Path

    write_backup(folder, tmp_path / "all.zip", SATURDAY)
    busy.sessions.kw["bind"].dispose()
    before = rows_of(folder / FILE)
    whole, count = Path.rename, []

    def failing(self, target):
        count.append(self)
        if len(count) == 3:
            raise OSError(28, "No space left on device")
        return whole(self, target)

    monkeypatch.setattr(Path, "rename", failing)
    with pytest.raises(CannotOpen, match="as it was"):
        restore(folder, tmp_path / "all.zip", SATURDAY)
    monkeypatch.undo()
    assert rows_of(folder / FILE) == before and (folder / "photos" / "slice-1.jpg").exists()


def test_a_backup_is_of_one_moment_while_presses_go_on(busy, folder, tmp_path):
    stop, sent = threading.Event(), []

    def press():
        while not stop.is_set():
            key = f"while-{len(sent)}"
            busy.press("bake_note", {"text": key}, key=key)
            sent.append(key)

    thread = threading.Thread(target=press)
    thread.start()
    try:
        for number in range(5):
            write_backup(folder, tmp_path / f"{number}.zip", SATURDAY)
    finally:
        stop.set()
        thread.join()
    kept = []
    for number in range(5):
        side = tmp_path / f"side-{number}"
        side.mkdir()
        unpack(tmp_path / f"{number}.zip", side)
        kept.append({row[0] for row in rows_of(side / FILE)["event"] if row[0].startswith("while-")})
        assert kept[-1] == set(sent[: len(kept[-1])])
    assert all(one <= other for one, other in pairwise(kept)) and kept[-1]


def test_a_target_that_is_there_is_not_replaced_unless_asked(folder, sessions, tmp_path):
    target = tmp_path / "all.zip"
    target.write_text("mine", encoding="utf-8")
    with pytest.raises(CannotOpen, match="there already"):
        write_backup(folder, target, SATURDAY)
    assert target.read_text(encoding="utf-8") == "mine"
    write_backup(folder, target, SATURDAY, force=True)
    assert read_manifest(target).rows["formula"] == 7
    with pytest.raises(CannotOpen, match="could not be written"):
        write_backup(folder, tmp_path / "no" / "such" / "folder.zip", SATURDAY)
    with pytest.raises(CannotOpen, match="no data"):
        write_backup(tmp_path / "nothing", tmp_path / "x.zip", SATURDAY)


# -- the command line ------------------------------------------------------------------------------------


@pytest.fixture
def command(capsys):
    """The command, run here: how it ended, what it said, and what it complained of."""
    before = os.umask(0o022)

    def run(*arguments):
        status = main([str(each) for each in arguments])
        said = capsys.readouterr()
        return SimpleNamespace(returncode=status, stdout=said.out, stderr=said.err)

    yield run
    os.umask(before)


def test_the_commands_work_while_a_server_runs_and_restore_waits_until_it_ends(folder, sessions, tmp_path, command):
    sessions.kw["bind"].dispose()
    backup = tmp_path / "any name at all"
    with locked(folder):
        assert in_use(folder)
        assert command("backup", backup, "--data", folder).returncode == 0
        looked = command("check", "--data", folder)
        assert looked.returncode == 0 and json.loads(looked.stdout)["ok"] is True
        refused = command("restore", backup, "--data", folder)
        assert refused.returncode == 2 and "in use" in refused.stderr
        served = command("serve", "--port", "0", "--data", folder)
        assert served.returncode == 2 and "in use" in served.stderr
        reset = command("demo", "--reset", "--port", "0", "--data", folder)
        assert reset.returncode == 2 and (folder / FILE).exists()
    again = command("backup", backup, "--data", folder)
    assert again.returncode == 2 and "--force" in again.stderr
    assert command("backup", backup, "--force", "--data", folder).returncode == 0
    brought = command("restore", backup, "--data", folder)
    assert brought.returncode == 0 and "set-aside" in brought.stdout


def test_the_installed_command_ends_as_the_function_does(tmp_path):
    called = [sys.executable, "-m", "gentle_crust.cli", "check", "--data", str(tmp_path / "nowhere")]
    found = subprocess.run(called, capture_output=True, text=True, check=False)
    assert found.returncode == 1 and json.loads(found.stdout)["findings"][0]["code"] == "no_data"


def test_check_ends_with_one_only_for_damage_or_loss(busy, folder, tmp_path, capsys):
    def said(path):
        status = main(["check", "--data", str(path)])
        found = json.loads(capsys.readouterr().out)
        assert set(found) == {"ok", "findings"} and found["ok"] is (status == 0)
        assert all(set(each) == {"code", "text"} for each in found["findings"])
        return status, {each["code"] for each in found["findings"]}

    assert said(folder) == (0, {"backup_none"})
    (folder / "photos" / "slice-1.jpg").unlink()
    assert said(folder) == (1, {"backup_none", "photo_missing"})
    (folder / "photos" / "nobodys.jpg").write_bytes(b"x")
    (folder / "photos" / "torn.half").write_bytes(b"x")
    assert said(folder)[1] == {
        "backup_none",
        "photo_missing",
        "photo_orphaned",
        "half_written",
    }
    with sqlite3.connect(folder / FILE) as file:
        file.execute("UPDATE formula SET body = 'torn' WHERE id = 'night-ferry-rye'")
    assert "row_unreadable" in said(folder)[1]
    assert said(tmp_path / "nowhere") == (1, {"no_data"})
    (folder / FILE).chmod(0o644)
    assert "open_to_others" in said(folder)[1]


def test_check_sees_damage_in_the_file_itself(folder, sessions):
    sessions.kw["bind"].dispose()
    data = bytearray((folder / FILE).read_bytes())
    data[8192:69_632] = bytes(61_440)
    (folder / FILE).write_bytes(data)
    found = check(folder, SATURDAY)
    assert not is_well(found) and found[0].code == "database_damaged"


def test_check_names_an_old_backup_and_an_old_copy(folder, sessions, tmp_path):
    write_backup(folder, tmp_path / "all.zip", SATURDAY)
    make_copy(folder, SATURDAY)
    later = SATURDAY + timedelta(days=45)
    assert {each.code for each in check(folder, SATURDAY)} == set()
    assert {each.code for each in check(folder, later)} == {"backup_old", "copy_old"}


# -- daily copies ----------------------------------------------------------------------------------------


def test_copies_are_made_once_a_day_and_can_be_brought_back(folder, sessions):
    first = make_copy(folder, SATURDAY)
    assert first is not None and make_copy(folder, SATURDAY + timedelta(hours=9)) is None
    assert make_copy(folder, SATURDAY + timedelta(days=1)) is not None
    assert list(copies_in(folder)) == [date(2026, 11, 28), date(2026, 11, 29)]
    sessions.kw["bind"].dispose()
    restore(folder, first, SATURDAY)
    assert list(copies_in(folder)) == [date(2026, 11, 28), date(2026, 11, 29)]


def test_copies_are_kept_by_age():
    days = [date(2026, 11, 28) - timedelta(days=number) for number in range(500)]
    kept = sorted(to_keep(days), reverse=True)
    assert kept[:7] == days[:7]
    assert {day.strftime("%G-%V") for day in days[:22]} <= {day.strftime("%G-%V") for day in kept}
    assert len(kept) <= 7 + 4 + 12
    assert len({day.strftime("%Y-%m") for day in kept}) == 12
    assert to_keep([]) == set() and to_keep(days[:3]) == set(days[:3])


def test_made_day_after_day_the_copies_settle(folder, sessions):
    sessions.kw["bind"].dispose()
    (folder / "copies").mkdir()
    for number in range(120):
        day = date(2026, 8, 1) + timedelta(days=number)
        (folder / "copies" / f"{day}.zip").write_bytes(b"x" * 1000)
        prune(folder)
        assert len(copies_in(folder)) <= 23 and day in copies_in(folder)
    prune(folder, limit=2500)
    assert len(copies_in(folder)) == 2
    prune(folder, limit=10)
    assert list(copies_in(folder)) == [date(2026, 11, 28)]


# -- what a killed program leaves ------------------------------------------------------------------------


def test_halves_and_orphans_are_swept_and_what_belongs_to_a_bake_is_not(busy, folder):
    import os

    photos = folder / "photos"
    (photos / "torn.half").write_bytes(b"x")
    old = datetime.now(UTC).timestamp() - 9 * 86_400
    for name in ("orphan.jpg", "orphan.small.jpg", "young.jpg"):
        (photos / name).write_bytes(b"x")
        if name.startswith("orphan"):
            os.utime(photos / name, (old, old))
    os.utime(photos / "slice-1.jpg", (old, old))
    (folder / ".backup-killed").mkdir()
    sweep(folder)
    PhotoShelf(folder).sweep(Work(busy.sessions, lambda: SATURDAY))
    assert sorted(path.name for path in photos.iterdir()) == ["slice-1.jpg", "slice-1.small.jpg", "young.jpg"]
    assert not (folder / ".backup-killed").exists()


# -- over HTTP -------------------------------------------------------------------------------------------


def test_a_backup_goes_out_and_comes_in_over_the_browser(busy, folder):
    sent = busy.client.get("/api/backup")
    assert sent.status_code == 200 and sent.mimetype == "application/zip"
    assert "gentle-crust-2026-11-28.zip" in sent.headers["Content-Disposition"]
    assert not list(folder.glob(".backup-*"))
    busy.press("bake_note", {"text": "after"}, key="after")
    found = busy.client.post("/api/backup/restore", data=sent.data)
    assert found.status_code == 200 and ASIDE in found.json["aside"]
    ids = [each["id"] for each in busy.dough()["history"]]
    assert "after" not in ids and busy.client.get("/api/photos/slice-1").status_code == 200
    assert busy.done("fold-1")["taken"]
    torn = busy.client.post("/api/backup/restore", data=sent.data[:-2000])
    assert torn.status_code == 409 and "backup" in torn.json["detail"]
    assert busy.dough()["history"]


def test_a_copy_of_a_day_is_gone_back_to(busy, folder):
    make_copy(folder, SATURDAY)
    busy.press("bake_note", {"text": "after"}, key="after")
    assert busy.client.get("/api/backups").json["copies"]["days"] == ["2026-11-28"]
    assert busy.client.post("/api/backups/2026-11-28/restore").status_code == 200
    assert "after" not in [each["id"] for each in busy.dough()["history"]]
    assert busy.client.post("/api/backups/2026-11-01/restore").status_code == 404
    looked = busy.client.get("/api/check").json
    assert looked["ok"] and {each["code"] for each in looked["findings"]} <= {"backup_none"}


def test_data_are_replaced_only_while_nobody_is_at_them(sessions):
    gate, order = gate_of(sessions), []
    inside, go = threading.Event(), threading.Event()

    def unit_of_work():
        with Work(sessions, lambda: SATURDAY).read():
            inside.set()
            go.wait(10)
            order.append("read")

    thread = threading.Thread(target=unit_of_work)
    thread.start()
    inside.wait(10)
    with pytest.raises(CannotOpen), gate.alone(wait_s=0.05):
        pass
    go.set()
    with gate.alone():
        order.append("alone")
    thread.join()
    assert order == ["read", "alone"]
    with Work(sessions, lambda: SATURDAY).read():
        pass
