"""A day at the bench: a clock that the test turns, and a client that presses."""

import shutil
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from pathlib import Path

import pytest

from gentle_crust import demo
from gentle_crust.api.app import create_app
from gentle_crust.store.database import open_store
from tests.conftest import SATURDAY

PLAN = demo.TOMORROW_PLAN


class Day:
    """A clock that the test turns, and a client that presses."""

    def __init__(self, sessions, now=SATURDAY, count=0) -> None:
        self.sessions, self.now, self.count = sessions, now, count
        self.client = create_app(sessions, lambda: self.now).test_client()

    def at(self, hour, minute=0, day=28):
        self.now = datetime(2026, 11, day, hour, minute, tzinfo=UTC)
        return self

    def press(self, kind, body=None, *, at=None, key=None, dough=PLAN, sent=None):
        self.count += 1
        one = {"id": key or f"p{self.count}", "dough": dough, "kind": kind, "body": body or {},
               "at": (at or self.now).isoformat()}  # fmt: skip
        return self.client.post(
            "/api/bench/presses", json={"sent_at": (sent or self.now).isoformat(), "presses": [one]}
        ).json

    def done(self, step, **more):
        return self.press("bake_step", {"key": step}, **more)

    def bench(self):
        return self.client.get("/api/bench").json

    def dough(self, key=PLAN):
        return next(each for each in self.bench()["doughs"] if each["id"] == key)

    def step(self, key):
        return next(each for each in self.dough()["steps"] if each["key"] == key)

    def mixed(self):
        self.press("bake_started")
        self.at(8, 40).done("levain-1")
        self.at(13, 40).done("autolyse-1")
        self.at(14, 18).done("mix-1")
        return self


@pytest.fixture
def day(sessions):
    return Day(sessions)


def until_cut(day, dough=PLAN):
    """Everything done in its order until nothing is left to do."""
    for _ in range(60):
        found = day.dough(dough)
        if found["over"]:
            return
        step = next(each for each in found["steps"] if each["key"] == found["next"])
        day.now = max(day.now, datetime.fromisoformat(step["at"]) + timedelta(minutes=step["minutes"]))
        day.done(step["key"], dough=dough)


@dataclass(frozen=True)
class Lived:
    """A kitchen in which something was done once; each test goes on in a copy of it."""

    folder: Path
    now: datetime
    count: int


@contextmanager
def day_in(folder, now=SATURDAY, count=0):
    """A day in the kitchen whose data are in a folder."""
    sessions = open_store(folder)
    yield Day(sessions, now, count)
    sessions.kw["bind"].dispose()


def live_once(filled, folder, what):
    """The demo's kitchen after ``what`` was done in it."""
    shutil.copytree(filled, folder)
    with day_in(folder) as day:
        what(day)
    return Lived(folder, day.now, day.count)


@contextmanager
def go_on(lived, folder):
    """A day in a copy of a kitchen in which something was done."""
    shutil.copytree(lived.folder, folder)
    with day_in(folder, lived.now, lived.count) as day:
        yield day


@pytest.fixture(scope="session")
def cut_once(filled, tmp_path_factory):
    def bake(day):
        day.mixed()
        until_cut(day)

    return live_once(filled, tmp_path_factory.mktemp("cut") / "data", bake)


@pytest.fixture
def cut(cut_once, folder):
    """A bake that has just been cut."""
    with go_on(cut_once, folder) as day:
        yield day


@pytest.fixture
def baked(cut):
    """A bake that was cut half an hour ago."""
    cut.now += timedelta(minutes=30)
    return cut
