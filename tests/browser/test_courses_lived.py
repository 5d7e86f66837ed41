"""Courses as bakers do them, lived through on the page: from the formula to the cut loaf at high speed, with presses
late, early and taken back."""

import os
import random
import re
from datetime import datetime, timedelta

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import DESK, PHONE
from tests.browser.test_bench_room import press, title
from tests.courses import courses

pytestmark = pytest.mark.browser
WHOLE = bool(os.environ.get("GENTLE_CRUST_PROVE"))
LIVED = (
    "1 cold shaped", "2 cold bulk", "3 rounds for two days", "4a balls two days", "6 yeasted boule", "7 yeasted tin",
    "8 slippers", "9 very wet", "11 tiny yeast", "13 steel or tray", "14 stones and towels", "18 rolls",
)  # fmt: skip
NEVER = {
    "4a balls two days": {"score"}, "8 slippers": {"score", "shape"}, "9 very wet": {"score"},
    "13 steel or tray": {"score"},
}  # fmt: skip
"""What hands do not do in a course."""
DOES = {
    "2 cold bulk": {"chill", "out_of_fridge"}, "3 rounds for two days": {"chill", "out_of_fridge"},
    "4a balls two days": {"chill", "finish"}, "7 yeasted tin": {"knead", "knock_back"}, "9 very wet": {"fold"},
    "14 stones and towels": {"steam_in"}, "18 rolls": {"knead"},
}  # fmt: skip
MIN = timedelta(minutes=1)
SLOW = 90_000
"""A room that is opened for the first time on a busy machine, ms."""


def kept(own, name):
    """The course's formula, kept with its method."""
    question = courses()[name]
    parts = question["method"].get("parts", [])
    pieces = {"pieces": sum(part["pieces"] for part in parts)} if parts else {}
    formula = {**question["formula"], **pieces, "name": name, "method": question["method"]}
    saved = own.day.client.put("/api/formulas/lived", json=formula)
    assert saved.status_code == 200, saved.json
    return saved.json


class Life:
    """A dough on the page: the clock is turned to whatever is next, a little late or early, and it is pressed."""

    def __init__(self, own, page, seed):
        self.own, self.page, self.dice = own, page, random.Random(seed)
        self.done: list[str] = []

    @property
    def dough(self):
        return self.own.day.bench()["doughs"][0]

    def next(self):
        dough = self.dough
        return next((step for step in dough["steps"] if step["key"] == dough["next"]), None)

    def step(self, step):
        """One step done on the page."""
        off = self.dice.choice([-4, 0, 0, 0, 25]) * MIN
        for _ in range(5):
            at = datetime.fromisoformat(step["at"]) + step["minutes"] * MIN + off
            self.own.day.now = max(self.own.day.now + MIN, at)
            step = self.next()
            if datetime.fromisoformat(step["at"]) < self.own.day.now + 20 * MIN:
                break
        self.page.reload(wait_until="networkidle")
        # The page's clock is the kitchen's once it has answered: what is due now says so.
        expect(self.page.locator(".away")).to_have_text(re.compile(r"now|late|in 1?\d min"))
        expect(title(self.page)).to_have_text(step["title"])
        press(self.page, "Done")
        expect(self.page.locator(".undo")).to_contain_text(f"{step['title']}: done")
        self.arrives(
            lambda: any(each["key"] == step["key"] and each["state"] == "done" for each in self.dough["steps"])
        )
        self.done.append(step["key"])
        return step

    def taken_back(self, step):
        press(self.page, "Take it back")
        expect(title(self.page)).to_have_text(step["title"])
        self.arrives(lambda: self.next()["key"] == step["key"])
        self.done.remove(step["key"])

    def arrives(self, there):
        """What was pressed on the page has come to the kitchen."""
        for _ in range(200):
            if there():
                return
            self.page.wait_for_timeout(50)
        raise AssertionError("a press did not arrive")


@pytest.mark.long
@pytest.mark.parametrize("name", LIVED if WHOLE else ["6 yeasted boule"])
def test_a_course_is_lived_through_from_formula_to_cut_loaf(own, name):
    viewport = [DESK, PHONE][LIVED.index(name) % 2]
    kept(own, name)
    own.day.at(6, 40)
    page = own.open("/plan?formula=lived", viewport=viewport)
    expect(page.get_by_role("button", name="Save this plan")).to_be_enabled(timeout=SLOW)
    press(page, "Save this plan")
    expect(page.get_by_role("button", name="Start this bake")).to_be_enabled(timeout=SLOW)
    press(page, "Start this bake")
    expect(title(page)).to_be_visible(timeout=SLOW)
    life = Life(own, page, name)
    back = life.dice.randint(2, 6)
    for _ in range(90):
        step = life.next()
        if step is None:
            break
        done = life.step(step)
        if len(life.done) == back:
            life.taken_back(done)
            back = -1
    assert life.dough["over"], life.next()
    kinds = {key.rpartition("-")[0] for key in life.done}
    assert {"mix", "load", "out"} <= kinds and DOES.get(name, set()) <= kinds
    assert not NEVER.get(name, set()) & kinds
    expect(page.get_by_role("heading", name=re.compile("Everything is written down"))).to_be_visible()
