"""Changing a running course by hand at the Bench: what would come of it is said, done with a press, and taken back."""

import re

import pytest
from playwright.sync_api import expect
from seeing import sound

from tests.browser.conftest import PHONE
from tests.browser.test_bench_room import press, title, with_shortcuts

pytestmark = pytest.mark.browser


def change(page, what):
    """The sheet with one of the changes chosen, what comes of it reckoned."""
    press(page, "Change")
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("button", name=what).click()
    expect(sheet.locator(".comes:not(.awaited)")).to_have_text(re.compile("Out of the oven"))
    return sheet


def test_a_dough_goes_into_the_fridge_now_and_that_is_taken_back(own):
    own.day.mixed().at(15, 12)
    page = own.open()
    sheet = change(page, "Into the fridge now")
    sheet.get_by_role("radio", name="Sunday").check()
    sheet.get_by_role("textbox", name="Take it out at").fill("08:15")
    sheet.get_by_role("textbox", name="Take it out at").press("Tab")
    expect(sheet.locator(".comes")).to_have_text(re.compile(r"Next: Out of the fridge, Sun 08:15\."))
    sheet.get_by_role("button", name="Do it").click()
    expect(sheet).to_have_count(0)
    expect(title(page)).to_have_text("Out of the fridge")
    expect(page.get_by_label("What happened").get_by_text("Changed by hand: Into the fridge")).to_be_visible()
    assert own.day.bench()["doughs"][0]["next"].startswith("out_of_fridge-")
    press(page, "Take it back")
    expect(title(page)).to_have_text("Fold 1 of 4")


@pytest.mark.parametrize("phone", [False, True], ids=["desk", "phone"])
def test_pieces_for_later_stand_on_a_row_of_their_own(own, phone):
    own.day.mixed().at(15, 12)
    page = own.open(viewport=PHONE) if phone else own.open()
    sheet = change(page, "Keep some pieces for later")
    expect(sheet.get_by_label("Pieces for later")).to_have_value("1")
    sound(page)
    sheet.get_by_role("button", name="Do it").click()
    expect(sheet).to_have_count(0)
    rows = page.get_by_role("group", name="All doughs on one clock").get_by_role("button")
    expect(rows.filter(has_text="later")).to_contain_text("Into the fridge")
    expect(rows.filter(has_text="first")).to_contain_text("Fold 1 of 4")
    assert page.evaluate("document.documentElement.scrollWidth <= innerWidth")
    sound(page)
    press(page, "Change")
    expect(page.get_by_role("dialog").get_by_role("button", name="Another vessel")).to_have_count(0)
    expect(page.get_by_role("button", name="Keep some pieces for later")).to_have_count(0)


def test_the_weight_found_at_division_and_one_that_cannot_be(own):
    own.day.mixed().at(15, 12)
    page = own.open()
    sheet = change(page, "What the dough weighs")
    field = sheet.get_by_label("The whole dough")
    planned = float(field.input_value())
    field.fill("12")
    field.press("Enter")
    expect(sheet.get_by_role("alert")).to_contain_text("not the one that was planned")
    expect(sheet.get_by_role("button", name="Do it")).to_be_disabled()
    field.fill(str(round(planned - 50)))
    field.press("Enter")
    expect(sheet.locator(".comes")).to_contain_text(f"Each piece weighs {round((planned - 50) / 2)}\u00a0g.")
    sheet.get_by_role("button", name="Do it").click()
    expect(page.get_by_label("What happened")).to_contain_text(f"The dough weighs {round(planned - 50)}\u00a0g")


def test_a_stage_more_another_vessel_and_a_bulk_that_is_over(own):
    own.day.mixed().at(15, 12)
    page = own.open()
    sheet = change(page, "One stage more")
    sheet.get_by_role("radio", name="Knock-back").check()
    sheet.get_by_role("button", name="Do it").click()
    expect(page.get_by_label("What happened")).to_contain_text("One stage more: Knock-back")
    assert any(step["key"].startswith("knock_back-") for step in own.day.bench()["doughs"][0]["steps"])
    sheet = change(page, "Bake it in something else")
    sheet.get_by_role("button", name="Do it").click()
    expect(page.get_by_label("What happened")).to_contain_text("Another vessel")
    sheet = change(page, "This stage is over")
    sheet.get_by_role("button", name="Do it").click()
    expect(title(page)).to_have_text("Knock back")


def test_what_is_judged_ready_ends_its_stage_at_once(own):
    own.day.mixed().at(17, 30)
    for number in (1, 2, 3, 4):
        own.day.done(f"fold-{number}")
    own.day.at(18, 5)
    page = own.open()
    press(page, "Is it ready?")
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("group", name="Shaken a little").get_by_role("button", name="wobbles").click()
    go = sheet.get_by_role("button", name=re.compile("^It is over: Divide now"))
    expect(go).to_be_visible()
    go.click()
    expect(title(page)).to_have_text("Divide")
    expect(page.locator(".away")).to_have_text("now")


def test_a_key_opens_the_sheet_and_focus_comes_back(own):
    own.day.mixed().at(15, 12)
    page = own.open()
    with_shortcuts(page)
    page.keyboard.press("c")
    expect(page.get_by_role("dialog")).to_be_visible()
    page.keyboard.press("Escape")
    expect(page.get_by_role("dialog")).to_have_count(0)
    press(page, "Change")
    page.keyboard.press("Escape")
    expect(page.get_by_role("button", name="Change", exact=True)).to_be_focused()


@pytest.mark.parametrize("phone", [False, True], ids=["desk", "phone"])
def test_an_empty_bench_shows_what_is_coming_on_its_clock(own, phone):
    own.day.at(8, 0)
    page = own.open(viewport=PHONE) if phone else own.open()
    expect(page.get_by_role("heading", name="What is coming")).to_be_visible()
    rows = page.get_by_role("group", name="All doughs on one clock").get_by_role("button")
    expect(rows.first).to_contain_text("not begun")
    assert page.evaluate("document.documentElement.scrollWidth <= innerWidth")
    sound(page)
    rows.first.click()
    expect(page).to_have_url(re.compile("/plan/"))
