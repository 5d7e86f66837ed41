"""The loaf's sheet: pressed in drawings on the phone, kept, changed, taken back; how it keeps asked on later days."""

import re
from datetime import timedelta

import pytest
from playwright.sync_api import expect
from seeing import sound

from tests.api.conftest import PLAN
from tests.api.test_bakes import baked
from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser


@pytest.fixture
def sheet(own):
    """The sheet of a loaf that was baked the day before, open on the phone."""
    return opened(own)


def opened(own, viewport=PHONE, **more):
    baked(own.day)
    own.day.now += timedelta(days=1)
    page = own.open(f"/log/{PLAN}?loaf", viewport=viewport, **more)
    expect(page.get_by_role("dialog", name="The loaf")).to_be_visible()
    return page


def look(page, group, name):
    return page.get_by_role("group", name=group, exact=True).get_by_role("button", name=name, exact=True)


def keep(page):
    """Keep the sheet; it has come to the kitchen when the record shows it."""
    before = page.locator("article.loaf").count()
    page.get_by_role("button", name="Keep the sheet").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    expect(page.locator("article.loaf")).to_have_count(before + 1)


def test_a_loaf_is_judged_by_pressing_and_stands_in_its_record(own, sheet):
    expect(sheet.get_by_role("button", name="Keep the sheet")).to_be_disabled()
    look(sheet, "Liked", "well").click()
    look(sheet, "Scores", "with an ear").click()
    look(sheet, "Crumb", "open").click()
    look(sheet, "Holes", "under the crust").click()
    look(sheet, "Holes", "dense base").click()
    look(sheet, "Top", "deep").click()
    keep(sheet)
    loaf = sheet.locator("article.loaf")
    for said in ("liked 4 of 5", "with an ear", "open", "under the crust, dense base", "deep"):
        expect(loaf).to_contain_text(said)


def test_a_look_that_is_pressed_again_is_taken_back_and_one_of_a_kind_replaces_another(sheet):
    look(sheet, "Crumb", "open").click()
    look(sheet, "Crumb", "wild").click()
    expect(look(sheet, "Crumb", "open")).to_have_attribute("aria-pressed", "false")
    look(sheet, "Crumb", "wild").click()
    expect(sheet.get_by_role("button", name="Keep the sheet")).to_be_disabled()


def test_what_was_weighed_and_measured_gives_volume_and_loss(own, sheet):
    sheet.get_by_text("Weighed and measured").click()
    for name, value in (("Out of the oven", "748"), ("Height", "98"), ("Width", "221")):
        sheet.get_by_label(name, exact=True).fill(value)
    keep(sheet)
    loaf = sheet.locator("article.loaf")
    expect(loaf).to_contain_text("748 g")
    expect(loaf).to_contain_text(re.compile(r"2[45]\d0 ml"))
    expect(loaf).to_contain_text("0.44 high over wide")
    expect(loaf).to_contain_text("15.0 % lost")


def test_the_sheet_is_opened_as_it_was_kept_and_what_is_changed_stands(own, sheet):
    look(sheet, "Liked", "a little").click()
    look(sheet, "Crust", "thick").click()
    keep(sheet)
    sheet.get_by_role("button", name="Judge the loaf").click()
    sheet.get_by_label("The day of the bake").check(force=True)
    expect(look(sheet, "Crust", "thick")).to_have_attribute("aria-pressed", "true")
    look(sheet, "Liked", "very much").click()
    keep(sheet)
    expect(sheet.locator("article.loaf")).to_have_count(2)
    expect(sheet.locator("article.loaf.before")).to_contain_text("liked 2 of 5")
    expect(sheet.locator("article.loaf:not(.before)")).to_contain_text("liked 5 of 5")
    sheet.get_by_role("button", name="Take it back").click()
    expect(sheet.locator("article.loaf")).to_have_count(1)


def test_once_the_loaf_was_judged_it_is_asked_how_it_keeps(own, sheet):
    look(sheet, "Liked", "well").click()
    keep(sheet)
    sheet.get_by_role("button", name="Judge the loaf").click()
    expect(sheet.get_by_role("group", name="How it keeps")).to_be_visible()
    expect(sheet.get_by_role("group", name="Crumb")).to_have_count(0)
    look(sheet, "How it keeps", "firm").click()
    keep(sheet)
    expect(sheet.locator("article.loaf").last).to_contain_text("One day later")
    expect(sheet.locator("article.loaf").last).to_contain_text("firm")


def test_looks_that_exclude_each_other_are_refused_in_words(own, sheet):
    look(sheet, "Holes", "everywhere").click()
    look(sheet, "Holes", "tunnels").click()
    sheet.get_by_role("button", name="Keep the sheet").click()
    expect(sheet.get_by_role("alert").first).to_contain_text("cannot both be so")


@pytest.mark.parametrize(("viewport", "scheme"), [(PHONE, "dark"), (DESK, "light")], ids=["phone-dark", "desk-light"])
def test_nothing_for_axe_to_find_and_nothing_wider_than_the_screen(own, viewport, scheme):
    page = opened(own, viewport, color_scheme=scheme)
    look(page, "Crumb", "open").click()
    sound(page)
    assert page.evaluate("document.documentElement.scrollWidth") <= viewport["width"]


def test_the_keyboard_alone_judges_a_loaf(own):
    page = opened(own, DESK)
    first = look(page, "Liked", "not")
    first.focus()
    page.keyboard.press("Tab")
    page.keyboard.press("Space")
    expect(look(page, "Liked", "a little")).to_have_attribute("aria-pressed", "true")
    page.get_by_role("button", name="Keep the sheet").focus()
    page.keyboard.press("Enter")
    expect(page.locator("article.loaf")).to_contain_text("liked 2 of 5")


def test_the_bench_asks_quietly_how_it_came_out_and_two_days_later_how_it_keeps(own):
    baked(own.day)
    own.day.now += timedelta(hours=16)
    page = own.open("/bench", PHONE)
    page.get_by_role("link", name=re.compile("^Tidewater country loaf, .*: how did it come out")).click()
    look(page, "Liked", "well").click()
    keep(page)
    own.day.now += timedelta(hours=36)
    page.goto(f"{own.address}/bench")
    page.get_by_role("link", name=re.compile("how does it keep")).click()
    look(page, "How it keeps", "fresh").click()
    keep(page)
    page.goto(f"{own.address}/bench")
    expect(page.get_by_role("heading", name="Nothing is on the bench.")).to_be_visible()
    expect(page.get_by_role("list", name="Loaves to look at")).to_have_count(0)
