"""The Water room at the mixing bowl: jugs, waters that were poured, what mixing adds, and yeast in a glass."""

import re

import pytest
from hands import pick
from playwright.sync_api import expect
from seeing import sound

from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser


def slide(page, name, to):
    """Move a slider of half degrees with the keys."""
    slider = page.get_by_role("slider", name=name, exact=True)
    slider.focus()
    steps = round((to - float(slider.get_attribute("aria-valuenow"))) * 2)
    for _ in range(abs(steps)):
        page.keyboard.press("ArrowRight" if steps > 0 else "ArrowLeft")


def test_a_summer_day_takes_ice_and_the_poured_waters_give_the_same_dough(visit):
    page = visit("/water")
    for name, warm in (("Flour", 29), ("Room", 30), ("Levain or preferment", 29), ("Cold tap", 23)):
        slide(page, name, warm)
    pick(page, "Mixed by", "Spiral mixer")
    expect(page.locator("figcaption", has_text="ice")).to_be_visible()
    expect(page.get_by_text(re.compile("The factor rule says"))).to_be_visible()
    page.get_by_role("button", name="Begin from the jugs above").click()
    expect(page.locator(".result")).to_contain_text("The dough will be 25")
    page.get_by_label("Water 1", exact=True).fill("300")
    expect(page.get_by_text(re.compile("The waters add up to"))).to_be_visible()


def test_minutes_speed_and_the_pace_wished_move_the_water(visit):
    page = visit("/water")
    huge = page.locator(".huge")
    before = huge.inner_text()
    page.get_by_role("group", name="How warm, by how fast").get_by_role("button", name="Slow").click()
    expect(page.locator(".headline")).to_contain_text("gives a dough of 21")
    expect(huge).not_to_have_text(before)
    expect(page.get_by_role("button", name="Slow")).to_have_attribute("aria-pressed", "true")
    pick(page, "Mixed by", "Planetary mixer")
    slow = huge.inner_text()
    page.get_by_label("For", exact=True).fill("25")
    pick(page, "Speed", "fast")
    expect(huge).not_to_have_text(slow)
    expect(page.get_by_text(re.compile("the dough gains"))).to_be_visible()
    page.get_by_label("For", exact=True).fill("200")
    expect(page.get_by_role("alert")).to_contain_text("The minutes of mixing")


def test_a_measured_dough_teaches_what_mixing_adds_here(visit):
    page = visit("/water?formula=lamplighters-tin&pieces=4")
    expect(page.get_by_text("no mix measured yet")).to_be_visible()
    page.get_by_role("button", name="Begin from the jugs above").click()
    page.get_by_label("The dough measured").fill("28,5")
    page.get_by_role("button", name="Log it").click()
    expect(page.get_by_role("status").filter(has_text="this rests on one measured mix")).to_be_visible()
    page.get_by_label("The dough measured").fill("12")
    page.get_by_role("button", name="Log it").click()
    expect(page.get_by_role("alert")).to_contain_text("The warming by mixing")
    page.reload()
    expect(page.get_by_text("learnt from one measured mix")).to_be_visible()


def test_yeast_in_a_glass_keeps_its_time_over_a_reload(visit):
    page = visit("/water")
    page.get_by_role("button", name="Stirred in: start the clock").click()
    expect(page.get_by_text("0:00")).to_be_visible()
    page.reload()
    page.get_by_role("button", name="A few bubbles").click()
    expect(page.get_by_text("Too early to tell")).to_be_visible()
    page.get_by_role("button", name="Foam a finger high").click()
    expect(page.get_by_text("Alive and lively")).to_be_visible()
    expect(page.get_by_role("button", name="Test again")).to_be_visible()


def test_nothing_for_axe_to_find(visit):
    page = visit("/water", reduced_motion="reduce")
    page.get_by_role("button", name="Begin from the jugs above").click()
    expect(page.locator(".result")).to_be_visible()
    for viewport in (DESK, PHONE):
        page.set_viewport_size(viewport)
        sound(page)
        assert page.evaluate("document.documentElement.scrollWidth") <= viewport["width"]
