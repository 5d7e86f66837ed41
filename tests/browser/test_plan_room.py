"""The Plan room as a baker uses it, in headless Chromium."""

import re

import pytest
from hands import pick
from playwright.sync_api import expect
from seeing import sound

from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser


def line(page, name):
    return page.locator("button.say", has_text=name)


def test_a_plan_is_made_saved_and_opened_again(visit):
    page = visit()
    expect(line(page, "What")).to_contain_text("Tidewater country loaf")
    page.get_by_role("button", name="Begin another plan").click()
    line(page, "What").click()
    pick(page, "Formula", "Lamplighter's tin loaf")
    expect(line(page, "How many")).to_contain_text("3 pieces of 870 g")
    line(page, "How many").click()
    page.get_by_role("spinbutton", name="Pieces").fill("2")
    page.keyboard.press("Enter")
    expect(page.get_by_role("region", name="Step by step")).to_contain_text("2 pieces of 870 g")
    page.get_by_role("button", name="Save this plan").click()
    expect(page.get_by_role("button", name="Start this bake")).to_be_enabled()
    steps = page.get_by_role("region", name="Step by step").inner_text()
    page.reload()
    expect(page.get_by_role("region", name="Step by step")).to_be_visible()
    assert page.get_by_role("region", name="Step by step").inner_text() == steps
    saved = page.locator("section.saved")
    saved.get_by_role("link", name=re.compile("Tidewater")).click()
    expect(line(page, "What")).to_contain_text("Tidewater")
    saved.get_by_role("button", name=re.compile("Put away: Lamplighter")).click()
    expect(saved.get_by_role("link", name=re.compile("Lamplighter"))).to_have_count(0)
    saved.get_by_role("button", name="Bring it back").click()
    expect(saved.get_by_role("link", name=re.compile("Lamplighter"))).to_have_count(1)


def test_sliders_answer_by_keyboard_and_a_half_made_plan_survives_a_reload(visit):
    page = visit("/plan?formula=tidewater-country")
    line(page, "Kitchen").focus()
    page.keyboard.press("Enter")
    mix = page.get_by_role("region", name="Step by step").locator("li", has_text="Flour and water rest").locator("time")
    before = mix.inner_text()
    page.get_by_role("slider", name="By day").focus()
    for _ in range(8):
        page.keyboard.press("ArrowLeft")
    expect(line(page, "Kitchen")).to_contain_text("19°,")
    expect(mix).not_to_have_text(before)
    page.reload()
    expect(line(page, "Kitchen")).to_contain_text("19°,")
    expect(page.get_by_role("button", name="Save this plan")).to_be_enabled()


def test_a_wish_too_late_offers_a_mend_that_works(visit):
    page = visit("/plan?formula=tidewater-country")
    line(page, "Wanted").click()
    page.get_by_label("Today").check(force=True)
    page.get_by_label("Time", exact=True).fill("1500")
    page.keyboard.press("Enter")
    line(page, "The way").click()
    page.get_by_label("Room and steady").check(force=True)
    trouble = page.get_by_role("status").filter(has_text="This cannot be met")
    expect(trouble).to_contain_text("begins in the past")
    trouble.get_by_role("button", name=re.compile("Have it ready by")).click()
    expect(trouble).to_have_count(0)


def test_bad_input_names_the_field_and_keeps_the_plan(visit):
    page = visit()
    line(page, "Asleep").click()
    page.get_by_role("textbox", name="To bed").fill("half ten")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("'half ten' is not a time of day. Write it as 22:30.")
    expect(page.get_by_role("img", name=re.compile("The dough from levain to oven"))).to_be_visible()
    page.get_by_role("textbox", name="To bed").fill("22:30")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_have_count(0)
    expect(line(page, "Asleep")).to_contain_text("22:30 to 05:45")


def test_formula_put_away_is_said_and_brought_back(visit):
    page = visit("/formulas")
    page.get_by_role("button", name=re.compile("Saltmarsh spelt oval")).click()
    page.get_by_role("link", name="Plan this").click()
    expect(line(page, "What")).to_contain_text("Saltmarsh spelt oval")
    page.goto(page.url.replace("/plan", "/formulas"))
    page.get_by_role("button", name=re.compile("Saltmarsh spelt oval")).click()
    page.get_by_role("button", name="Put away").click()
    expect(page.get_by_role("button", name=re.compile("Saltmarsh"))).to_have_count(0)
    page.get_by_role("button", name="Bring it back").click()
    expect(page.get_by_role("button", name=re.compile("Saltmarsh"))).to_have_count(1)


def test_fahrenheit_and_ounces_everywhere_and_back(visit):
    page = visit("/kitchen")
    page.get_by_label("Fahrenheit").check(force=True)
    page.get_by_label("Ounces").check(force=True)
    page.get_by_role("button", name="Save the kitchen").click()
    expect(page.get_by_text("Saved", exact=True)).to_be_visible()
    page.get_by_role("link", name="Plan", exact=True).click()
    expect(line(page, "Kitchen")).to_contain_text("73°")
    expect(page.get_by_role("region", name="Weigh")).to_contain_text("oz")
    assert not re.search(r"\d (g|°C)\b", page.locator("main").inner_text())
    page.get_by_role("link", name="Kitchen").click()
    page.get_by_label("Celsius").check(force=True)
    page.get_by_label("Grams", exact=True).check(force=True)
    page.get_by_role("button", name="Save the kitchen").click()
    expect(page.get_by_text("Saved", exact=True)).to_be_visible()


@pytest.mark.parametrize(("viewport", "scheme"), [(DESK, "dark"), (PHONE, "light")])
def test_nothing_for_axe_to_find_and_nothing_wider_than_the_screen(visit, viewport, scheme):
    page = visit("/plan", viewport, color_scheme=scheme)
    line(page, "Wanted").click()
    line(page, "Kitchen").click()
    page.wait_for_timeout(200)
    sound(page)
    assert page.evaluate("document.documentElement.scrollWidth") <= viewport["width"]


def test_a_program_that_is_gone_is_said(visit, address):
    page = visit()
    page.route("**/api/plan?*", lambda route: route.abort())
    line(page, "Dough").click()
    page.get_by_role("slider", name="From the bowl").focus()
    page.keyboard.press("ArrowRight")
    expect(page.get_by_role("alert")).to_contain_text("The program does not answer")
    page.unroute("**/api/plan?*")
    page.get_by_role("button", name="Try again").click()
    expect(page.get_by_role("alert")).to_have_count(0)
