"""A slice measured on its photo: holes outlined, the threshold by hand, figures kept with it and taken back."""

import re

import pytest
from playwright.sync_api import expect
from seeing import sound

from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser
OUTLINE = re.compile(r"^M[\d.]+ [\d.]+L")
BAKE = "/log/six-weeks-10"


def share(place):
    return int(place.locator("dd").first.inner_text().removesuffix(" %"))


@pytest.mark.long
@pytest.mark.parametrize("size", [DESK, PHONE])
def test_a_slice_is_measured_by_hand_kept_and_taken_back(past, size):
    page = past.open(BAKE, size)
    page.get_by_role("button", name="Measure the slice").nth(1).click()
    sheet = page.get_by_role("dialog")
    expect(sheet.get_by_label("Width of the slice")).to_have_value(re.compile(r"^2\d\d$"))
    expect(sheet.locator("path.over")).to_have_attribute("d", OUTLINE)
    sound(page)
    found = share(sheet)
    slider = sheet.get_by_role("slider", name="What counts as a hole")
    slider.focus()
    for _ in range(10):
        slider.press("ArrowRight")
    expect(sheet).to_contain_text("more: 10")
    expect(sheet.locator("dd").first).not_to_have_text(f"{found} %")
    assert share(sheet) > found
    sheet.get_by_text("Outline the holes").click()
    expect(sheet.locator("path")).to_have_count(0)
    more = share(sheet)
    sheet.get_by_role("button", name="Keep these figures").click()
    kept = page.locator(".photos figure").nth(1)
    expect(kept.locator("dd").first).to_have_text(f"{more} %")
    page.get_by_role("button", name="Take it back").click()
    expect(kept.locator("dl")).to_have_count(0)


def test_without_a_width_nothing_is_measured_and_a_wrong_one_is_said(past):
    page = past.open(BAKE)
    page.get_by_role("button", name="Measure the slice").nth(1).click()
    sheet = page.get_by_role("dialog")
    width = sheet.get_by_label("Width of the slice")
    width.fill("3")
    expect(sheet.get_by_role("alert")).to_contain_text("20 mm")
    expect(sheet.get_by_role("button", name="Keep these figures")).to_be_disabled()
    width.fill("113")
    expect(sheet.locator("dl")).to_be_visible()
    expect(sheet.get_by_role("button", name="Keep these figures")).to_be_enabled()
    page.keyboard.press("Escape")
    expect(page.locator(".photos dl")).to_have_count(0)


def test_a_loaf_that_is_not_cut_is_asked_about(past):
    page = past.open(BAKE)
    page.get_by_role("button", name="Measure the slice").first.click()
    expect(page.get_by_role("dialog").locator(".minded")).to_contain_text("a loaf that is cut?")
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Measure the slice").nth(1).click()
    expect(page.get_by_role("dialog").locator("dl")).to_be_visible()
    expect(page.get_by_role("dialog").locator(".minded")).to_have_count(0)
