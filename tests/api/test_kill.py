"""Killed at any moment, the program has kept everything that it acknowledged, of every kind, and no halves."""

import contextlib
import io
import json
import os
import random
import re
import signal
import sqlite3
import subprocess
import sys
import urllib.request
from datetime import UTC, datetime, timedelta
from http.client import HTTPException
from pathlib import Path
from threading import Thread

from PIL import Image

from gentle_crust import demo
from gentle_crust.kitchen.check import check, is_well
from gentle_crust.store.backup import unpack
from gentle_crust.store.database import FILE, damage_of, open_store
from tests.conftest import SATURDAY

APART = 12
"""Writes between two kills at least: one is over before the next is meant for the program started after it."""
WRITES, KILLS = (2200, 100) if os.environ.get("GENTLE_CRUST_PROVE") else (72, 2)
"""A sample here; all of them when the costly proofs are run."""
PLAN = demo.TOMORROW_PLAN
AT = SATURDAY.astimezone(UTC)


class Program:
    """The program on a folder, in a process of its own."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder
        self.start()

    def start(self) -> None:
        environment = {**os.environ, "GENTLE_CRUST_DATA": str(self.folder), "GENTLE_CRUST_NOW": SATURDAY.isoformat()}
        self.process = subprocess.Popen(
            [sys.executable, "-m", "gentle_crust.cli", "serve", "--port", "0"],
            env=environment, stdout=subprocess.PIPE, text=True,
        )  # fmt: skip
        self.address = re.search(r"http://\S+", self.process.stdout.readline())[0].rstrip("/")

    def send(self, method: str, path: str, body: object = None) -> dict:
        """An answer; OSError or HTTPException if the program died over it, or refused."""
        data = body if isinstance(body, bytes) else json.dumps(body).encode()
        asked = urllib.request.Request(
            f"{self.address}{path}", data, {"Content-Type": "application/json"}, method=method
        )
        with urllib.request.urlopen(asked, timeout=30) as answer:
            return json.load(answer)

    def get(self, path: str) -> bytes:
        with urllib.request.urlopen(f"{self.address}{path}", timeout=60) as answer:
            return answer.read()

    def kill_after(self, seconds: float) -> subprocess.Popen:
        return subprocess.Popen(["sh", "-c", f"sleep {seconds:.3f}; kill -9 {self.process.pid}"])


class Writes:
    """Writes of every kind, each with a mark by which it is found again."""

    def __init__(self, program: Program) -> None:
        self.program = program
        self.kitchen = json.loads(program.get("/api/kitchen"))["settings"]
        self.pantry = json.loads(program.get("/api/pantry"))["pantry"]
        self.formula = json.loads(program.get("/api/formulas/tidewater-country"))
        picture = io.BytesIO()
        Image.new("RGB", (48, 36), (180, 140, 90)).save(picture, "JPEG")
        self.picture = picture.getvalue()
        self.kinds = (self.note, self.sample, self.plan, self.event, self.version, self.settings, self.prices,
                      self.photo)  # fmt: skip

    def write(self, number: int) -> str:
        """Write the one of this number; the kind of it."""
        kind = self.kinds[number % len(self.kinds)]
        kind(number)
        return kind.__name__

    def note(self, number):
        one = {"id": f"note-{number}", "dough": PLAN, "kind": "bake_note", "at": AT.isoformat(),
               "body": {"text": str(number)}}  # fmt: skip
        found = self.program.send("POST", "/api/bench/presses", {"sent_at": AT.isoformat(), "presses": [one]})
        if found["taken"] != [one["id"]]:
            raise AssertionError(found["refused"])

    def sample(self, number):
        at = (AT - timedelta(days=1) + timedelta(seconds=number)).isoformat()
        one = {"device": "kill", "quantity": "room_c", "value": 20.0, "at": at}
        self.program.send("POST", "/api/samples", {"sent_at": AT.isoformat(), "samples": [one]})

    def plan(self, number):
        self.program.send("PUT", f"/api/plans/plan-{number}", {"formula_id": "night-ferry-rye", "pieces": 1})

    def event(self, number):
        at = (AT.replace(tzinfo=None) - timedelta(minutes=number)).strftime("%Y-%m-%dT%H:%M")
        self.program.send("PUT", f"/api/cultures/gull/events/event-{number}", {"kind": "seen", "note": "x", "at": at})

    def version(self, number):
        body = self.formula["formula"] | {"note": f"version {number}"}
        self.program.send("PUT", f"/api/formulas/{self.formula['id']}", body)

    def settings(self, number):
        self.program.send("PUT", "/api/kitchen", self.kitchen | {"name": f"Kitchen {number}"})

    def prices(self, number):
        price = {"name": "Salt", "price_per_kg": number / 10}
        self.program.send("PUT", "/api/pantry", {**self.pantry, "prices": [price]})

    def photo(self, number):
        self.program.send("PUT", f"/api/bench/{PLAN}/photos/photo-{number}", self.picture)


def backups(program: Program, into: Path) -> Thread:
    """A backup under way, written to the end or not at all."""

    def go():
        with contextlib.suppress(OSError, HTTPException, ValueError):
            into.write_bytes(program.get("/api/backup"))

    thread = Thread(target=go)
    thread.start()
    return thread


def lost(folder: Path, kept: dict[str, list[int]]) -> list[str]:
    """What was acknowledged and is not there."""
    with contextlib.closing(sqlite3.connect(folder / FILE)) as file:
        events = {row[0] for row in file.execute("SELECT id FROM event")}
        plans = {row[0] for row in file.execute("SELECT id FROM plan")}
        versions = [json.loads(row[0])["note"] for row in file.execute("SELECT body FROM formula_version")]
        samples = {row[0] for row in file.execute("SELECT at FROM sample WHERE device = 'kill'")}
        name = json.loads(file.execute("SELECT body FROM kitchen").fetchone()[0])["name"]
        price = json.loads(file.execute("SELECT body FROM pantry").fetchone()[0])["prices"][0]["price_per_kg"]
    gone = [f"note-{each}" for each in kept.get("note", []) if f"note-{each}" not in events]
    gone += [f"event-{each}" for each in kept.get("event", []) if f"event-{each}" not in events]
    gone += [f"plan-{each}" for each in kept.get("plan", []) if f"plan-{each}" not in plans]
    gone += [f"version-{each}" for each in kept.get("version", []) if f"version {each}" not in versions]
    for each in kept.get("sample", []):
        at = (AT - timedelta(days=1) + timedelta(seconds=each)).replace(tzinfo=None)
        gone += [] if at.isoformat(" ", "microseconds") in samples else [f"sample-{each}"]
    gone += [] if int(name.split()[-1]) >= max(kept["settings"]) else ["kitchen"]
    gone += [] if price * 10 >= max(kept["prices"]) - 1e-6 else ["pantry"]
    for each in kept.get("photo", []):
        whole = (folder / "photos" / f"photo-{each}.jpg").exists() and f"photo-{each}" in events
        gone += [] if whole else [f"photo-{each}"]
    return gone


def test_nothing_that_was_acknowledged_is_lost_by_a_kill(folder, sessions, tmp_path):
    sessions.kw["bind"].dispose()
    dice = random.Random(11)
    kill_at = sorted(dice.sample(range(20, WRITES - 10, APART), KILLS))
    program = Program(folder)
    start = {"id": "start", "dough": PLAN, "kind": "bake_started", "at": AT.isoformat(), "body": {}}
    program.send("POST", "/api/bench/presses", {"sent_at": AT.isoformat(), "presses": [start]})
    writes = Writes(program)
    kept: dict[str, list[int]] = {}
    sent, kills, whole_backups = 0, 0, 0
    while sent < WRITES:
        number, sent = sent, sent + 1
        if kill_at and sent >= kill_at[0]:
            kill_at.pop(0)
            running = backups(program, tmp_path / f"{kills}.zip")
            killer = program.kill_after(dice.uniform(0.0, 0.12))
        try:
            kept.setdefault(writes.write(number), []).append(number)
        except (OSError, HTTPException):
            killer.wait(10)
            assert program.process.wait(10) == -signal.SIGKILL, "it died of something else"
            running.join(60)
            kills += 1
            program.start()
            assert not list((folder / "photos").glob("*.half")) and not list(folder.glob(".backup-*"))
    program.process.kill()
    program.process.wait()
    open_store(folder).kw["bind"].dispose()
    assert kills >= KILLS - 2 and damage_of(folder / FILE, thorough=True) == ()
    assert lost(folder, kept) == []
    assert sum(map(len, kept.values())) > WRITES - 2 * KILLS - 1 and len(kept) == len(writes.kinds)
    assert is_well(check(folder, SATURDAY)), [each.text for each in check(folder, SATURDAY)]
    for path in tmp_path.glob("*.zip"):
        side = tmp_path / f"side-{path.stem}"
        side.mkdir()
        unpack(path, side)
        whole_backups += 1
    print(f"{sum(map(len, kept.values()))} writes acknowledged, {kills} kills, {whole_backups} backups whole")


def test_times_are_kept_to_the_second(sessions):
    from tests.api.conftest import Day

    day = Day(sessions)
    day.press("bake_started")
    at = datetime(2026, 11, 28, 6, 12, 34, tzinfo=UTC)
    day.press("bake_note", {"text": "x"}, at=at, key="n")
    kept = next(each for each in day.dough()["history"] if each["id"] == "n")
    assert datetime.fromisoformat(kept["at"]) - at < timedelta(seconds=1)
