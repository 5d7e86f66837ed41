"""Opening a line or an editor and touching nothing asks for nothing else and saves nothing else."""

import json
import re
import shutil
from dataclasses import replace

import pytest
from playwright.sync_api import expect

from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work
from gentle_crust.store.database import open_store
from tests.api.conftest import Day
from tests.browser.conftest import DESK, PHONE, Own
from tests.conftest import SATURDAY
from tests.kitchen.test_keeping import FORMULAS

pytestmark = pytest.mark.browser


@pytest.fixture(scope="module")
def far_out(pages, filled, tmp_path_factory):
    """A kitchen whose figures lie outside and between the marks of any slider: its day, and where it is served."""
    folder = tmp_path_factory.mktemp("odd") / "data"
    shutil.copytree(filled, folder)
    sessions = open_store(folder)
    kitchen = KitchenSettings(Work(sessions, lambda: SATURDAY))
    kitchen.save(replace(kitchen.get(), room_day_c=38.3, room_night_c=5.2, fridge_c=11.7, tap_c=33.4))
    day = Day(sessions)
    with pages.served(day.client.application) as address:
        yield day, address
    sessions.kw["bind"].dispose()


@pytest.fixture
def odd(pages, far_out):
    with pages.contexts() as context:
        yield Own(*far_out, context)


class Asked:
    """What a page sends, but for what changes by itself."""

    def __init__(self, page) -> None:
        self.sent: list[tuple[str, str, str]] = []
        page.on("request", self._heard)

    def _heard(self, request) -> None:
        if request.method in ("POST", "PUT", "PATCH", "DELETE") and "/api/" in request.url:
            self.sent.append((request.method, request.url.split("/api/")[1], request.post_data or ""))

    def bodies(self, path: str) -> list[dict]:
        return [json.loads(body) for _, where, body in self.sent if where == path]

    def writes(self) -> list[tuple[str, str, str]]:
        return [one for one in self.sent if one[0] != "POST"]


def heard(odd, path: str, viewport=DESK):
    """A page that is heard from its first request on."""
    page = odd.context(viewport).new_page()
    asked = Asked(page)
    page.goto(odd.address + path)
    page.wait_for_load_state("networkidle")
    return page, asked


def same(bodies: list[dict]) -> bool:
    def plain(body: dict) -> dict:
        return {name: value for name, value in body.items() if value is not None}

    return all(plain(body) == plain(bodies[-1]) for body in bodies[1:])


def formula(odd, key: str) -> dict:
    return odd.day.client.get(f"/api/formulas/{key}").json["formula"]


@pytest.mark.parametrize("key", FORMULAS)
def test_every_line_of_every_plan(odd, key):
    page, asked = heard(odd, f"/plan?formula={key}")
    expect(page.locator(".say")).not_to_have_count(0)
    page.wait_for_timeout(300)
    before = asked.bodies("plan?plan=")
    lines = page.locator("button.say")
    for place in range(lines.count()):
        lines.nth(place).click()
        page.wait_for_timeout(60)
        lines.nth(place).click()
    page.wait_for_timeout(400)
    after = asked.bodies("plan?plan=")
    assert len(after) == len(before), after[-1]
    assert same(after) and asked.writes() == []


@pytest.mark.long
@pytest.mark.parametrize("key", FORMULAS)
def test_every_editor_of_every_formula(odd, key):
    page = odd.open("/formulas?formula=" + key)
    asked = Asked(page)
    names = {each["id"]: each["name"] for each in odd.day.client.get("/api/formulas").json["formulas"]}
    page.get_by_role("button", name=re.compile(re.escape(names[key]))).first.click()
    page.get_by_role("button", name="Change it", exact=True).click()
    expect(page.get_by_role("button", name="Save the formula")).to_be_visible()
    page.wait_for_timeout(500)
    for summary in page.locator("details > summary").all():
        summary.click()
    for button in page.locator("main button[aria-expanded=false]").all():
        if button.is_visible():
            button.click()
            page.wait_for_timeout(40)
    page.wait_for_timeout(300)
    for question in ("formulas/work", "formulas/method"):
        drafts = [body for _, where, body in asked.sent if where == question]
        assert len({json.dumps(json.loads(body), sort_keys=True) for body in drafts}) <= 1, question
    assert asked.writes() == []
    assert formula(odd, key)["name"] == names[key]


def test_a_formula_whose_dough_is_cooler_than_any_mark_is_saved_as_it_was(odd):
    key = FORMULAS[0]
    before = formula(odd, key)
    page = odd.open("/formulas?formula=" + key)
    page.get_by_role("button", name=re.compile(re.escape(before["name"]))).first.click()
    page.get_by_role("button", name="Change it", exact=True).click()
    note = page.get_by_label("Note", exact=True)
    note.fill("Only this was changed.")
    page.get_by_role("button", name="Save the formula").click()
    expect(page.get_by_text("Only this was changed.").first).to_be_visible()
    after = formula(odd, key)
    assert {**after, "note": ""} == {**before, "note": ""}


@pytest.mark.long
def test_the_kitchen_and_the_oven_opened_write_nothing(odd):
    for path in ("/kitchen", "/oven", "/water", "/cultures/gull?do=feed"):
        page, asked = heard(odd, path)
        page.wait_for_timeout(700)
        assert asked.writes() == [], path
        for _, where, _ in asked.sent:
            asked_of = where.split("?")[0]
            assert asked_of == "kitchen/day" or asked_of.split("/")[0] in ("oven", "water", "cultures", "plan"), where
    found = odd.day.client.get("/api/kitchen").json
    assert found["settings"]["room_day_c"] == 38.3 and found["settings"]["tap_c"] == 33.4


def test_stages_of_a_bake_shown_on_the_phone_are_not_rewritten(odd):
    page, asked = heard(odd, "/oven", PHONE)
    page.wait_for_timeout(900)
    bakes = asked.bodies("oven/bake")
    assert bakes and all(not body.get("stages") for body in bakes), bakes


def test_a_hand_still_moves_a_slider_and_only_that(odd):
    page, asked = heard(odd, f"/plan?formula={FORMULAS[0]}")
    page.wait_for_timeout(300)
    before = asked.bodies("plan?plan=")[-1]
    kitchen = page.locator("button.say").filter(has_text="at night")
    kitchen.click()
    slider = page.get_by_role("slider", name=re.compile("day", re.IGNORECASE)).first
    slider.focus()
    page.keyboard.press("ArrowLeft")
    page.wait_for_timeout(500)
    after = asked.bodies("plan?plan=")[-1]
    changed = {name for name in after if after[name] != before.get(name) and after[name] is not None}
    assert "room_day_c" in changed and after["room_day_c"] < 38.3
    assert not {"room_night_c", "tap_c", "dough_c", "levain_percent"} & {
        name for name in changed if before.get(name) is not None
    }
