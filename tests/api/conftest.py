"""A day at the bench: a clock that the test turns, and a client that presses."""

from datetime import UTC, datetime

import pytest

from gentle_crust import demo
from gentle_crust.api.app import create_app
from tests.conftest import SATURDAY

PLAN = demo.TOMORROW_PLAN


class Day:
    """A clock that the test turns, and a client that presses."""

    def __init__(self, sessions) -> None:
        self.sessions, self.now, self.count = sessions, SATURDAY, 0
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
