"""Killed at any moment, the program has kept every press that it acknowledged."""

import json
import os
import random
import re
import signal
import subprocess
import sys
import urllib.request
from datetime import UTC, datetime, timedelta
from http.client import HTTPException

from gentle_crust import demo
from gentle_crust.kitchen.story import NOTE
from gentle_crust.store.database import open_store
from gentle_crust.store.repositories import Events
from tests.conftest import SATURDAY

PRESSES, KILLS = (500, 12) if os.environ.get("GENTLE_CRUST_PROVE") else (100, 3)
"""A sample here; all of them when the costly proofs are run."""


def _serve(folder):
    environment = {**os.environ, "GENTLE_CRUST_DATA": str(folder), "GENTLE_CRUST_NOW": SATURDAY.isoformat()}
    process = subprocess.Popen(
        [sys.executable, "-m", "gentle_crust.cli", "serve", "--port", "0"],
        env=environment, stdout=subprocess.PIPE, text=True,
    )  # fmt: skip
    return process, re.search(r"http://\S+", process.stdout.readline())[0].rstrip("/")


def _press(address, key, kind, body):
    at = SATURDAY.astimezone(UTC).isoformat()
    sent = {"sent_at": at, "presses": [{"id": key, "dough": demo.TOMORROW_PLAN, "kind": kind, "at": at, "body": body}]}
    asked = urllib.request.Request(
        f"{address}/api/bench/presses", json.dumps(sent).encode(), {"Content-Type": "application/json"}
    )
    with urllib.request.urlopen(asked, timeout=20) as answer:
        return key in json.load(answer)["taken"]


def test_no_acknowledged_press_is_lost_by_a_kill(folder, sessions):
    sessions.kw["bind"].dispose()
    dice = random.Random(11)
    kill_at = sorted(dice.sample(range(20, PRESSES - 10), KILLS))
    process, address = _serve(folder)
    acknowledged, sent = [], 0
    assert _press(address, "start", "bake_started", {})
    while sent < PRESSES:
        key, sent = f"k{sent}", sent + 1
        if kill_at and sent >= kill_at[0]:
            kill_at.pop(0)
            killer = subprocess.Popen(["sh", "-c", f"sleep {dice.uniform(0.0, 0.03):.3f}; kill -9 {process.pid}"])
        try:
            if _press(address, key, "bake_note", {"text": key}):
                acknowledged.append(key)
        except (OSError, HTTPException):
            killer.wait(10)
            assert process.wait(10) == -signal.SIGKILL
            process, address = _serve(folder)
    process.kill()
    process.wait()
    reopened = open_store(folder)
    with reopened() as session:
        kept = [key for key, *_ in Events(session).plain(NOTE, subject=demo.TOMORROW_PLAN)]
        checked = session.connection().exec_driver_sql("PRAGMA integrity_check").scalar_one()
    reopened.kw["bind"].dispose()
    assert checked == "ok" and len(acknowledged) > PRESSES - 2 * KILLS - 1
    assert set(acknowledged) <= set(kept) and len(kept) == len(set(kept))


def test_times_are_kept_to_the_second(sessions):
    from tests.api.conftest import Day

    day = Day(sessions)
    day.press("bake_started")
    at = datetime(2026, 11, 28, 6, 12, 34, tzinfo=UTC)
    day.press("bake_note", {"text": "x"}, at=at, key="n")
    kept = next(each for each in day.dough()["history"] if each["id"] == "n")
    assert datetime.fromisoformat(kept["at"]) - at < timedelta(seconds=1)
