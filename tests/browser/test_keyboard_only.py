"""The main tasks of Kitchen, Water, Cultures and Formulas with the keyboard alone: no pointer, no script."""

import re

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import DESK
from tests.browser.test_cultures_room import own

pytestmark = pytest.mark.browser
own_kitchen = own
"""A demo of its own, to change at will."""
ON = """() => {
  const on = document.activeElement
  const labels = on.labels ? [...on.labels].map((label) => label.innerText) : []
  const ids = (on.getAttribute('aria-labelledby') || '').split(' ')
  const named = ids.map((id) => document.getElementById(id)?.innerText)
  return [on.getAttribute('aria-label'), ...named, ...labels, on.innerText].filter(Boolean)
    .map((text) => text.replace(/\\s+/g, ' ').trim())
}"""
MOST = 160


def tab_to(page, name, back=False):
    """Press Tab until what is called ``name`` has the keyboard; fail if it never comes."""
    wanted = re.compile(name)
    for _ in range(MOST):
        page.keyboard.press("Shift+Tab" if back else "Tab")
        if any(wanted.search(text) for text in page.evaluate(ON)):
            return
    raise AssertionError(f"{name} cannot be reached with the Tab key")


def typed(page, text):
    """Write over what stands in the field."""
    page.keyboard.press("Control+a")
    page.keyboard.type(text)


def test_the_kitchens_night_is_set_and_saved(own):
    page = own("/kitchen")
    tab_to(page, "^Name")
    typed(page, "Lantern Street")
    tab_to(page, "^Asleep from")
    typed(page, "23")
    tab_to(page, "^Room by night")
    for _ in range(3):
        page.keyboard.press("ArrowLeft")
    tab_to(page, "^Save the kitchen")
    page.keyboard.press("Enter")
    expect(page.get_by_text("Saved", exact=True)).to_be_visible()
    page.reload()
    expect(page.get_by_label("Name", exact=True).first).to_have_value("Lantern Street")
    expect(page.get_by_role("textbox", name="Asleep from")).to_have_value("23:00")
    expect(page.locator("figure")).to_contain_text("17.5°C")


def test_a_name_left_empty_is_asked_for_and_holds_the_keyboard(own):
    page = own("/kitchen")
    tab_to(page, "^Name")
    typed(page, " ")
    page.keyboard.press("Backspace")
    tab_to(page, "^Save the kitchen")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_have_text("Give it a name.")
    expect(page.get_by_label("Name", exact=True).first).to_be_focused()
    page.keyboard.type("Lantern Street Oven")
    page.keyboard.press("Enter")
    expect(page.get_by_text("Saved", exact=True)).to_be_visible()


def test_water_for_a_formula_that_is_found_by_typing(own):
    page = own("/water")
    said = page.locator("main").inner_text()
    tab_to(page, "^(The formula|Formula|Loaf)$")
    page.keyboard.press("Enter")
    page.keyboard.type("lampl")
    expect(page.get_by_role("option")).to_have_count(1)
    page.keyboard.press("ArrowDown")
    page.keyboard.press("Enter")
    expect(page.locator("main")).to_contain_text("Lamplighter")
    tab_to(page, "^Cold tap")
    for _ in range(6):
        page.keyboard.press("ArrowLeft")
    expect(page.locator("main")).not_to_have_text(said)
    tab_to(page, "^Begin from the jugs above")
    page.keyboard.press("Enter")
    expect(page.locator(".result")).to_contain_text("The dough will be")


def test_a_culture_is_fed_looked_at_and_the_look_taken_back(own):
    page = own("/cultures/gull")
    tab_to(page, "^Feed$")
    page.keyboard.press("Enter")
    tab_to(page, "^Flour$")
    typed(page, "90")
    tab_to(page, "^Log the feed")
    page.keyboard.press("Enter")
    expect(page.get_by_text(re.compile("Fed 06:30"))).to_be_visible()
    tab_to(page, "^Look at it")
    page.keyboard.press("Enter")
    tab_to(page, "^domed$")
    page.keyboard.press("Enter")
    tab_to(page, "^Log what it shows")
    page.keyboard.press("Enter")
    expect(page.get_by_text("06:30", exact=True).first).to_be_visible()
    tab_to(page, "^Take it back")
    page.keyboard.press("Enter")
    expect(page.get_by_text("domed", exact=True)).to_have_count(0)


def test_a_formula_is_opened_changed_kept_and_the_change_undone(own):
    page = own("/formulas", viewport=DESK)
    tab_to(page, "^Lamplighter's tin loaf")
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="Lamplighter's tin loaf")).to_be_visible()
    tab_to(page, "^Change it")
    page.keyboard.press("Enter")
    tab_to(page, "^Water %")
    typed(page, "66")
    tab_to(page, "^Save the formula")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="Change it")).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("^Lamplighter's tin loaf 66 %"))).to_be_visible()
    tab_to(page, "^Put away")
    page.keyboard.press("Enter")
    expect(page.get_by_text(re.compile("was put away|Bring it back|Put away")).first).to_be_visible()
