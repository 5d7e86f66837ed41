"""Why a loaf came out so, in its record: causes, what rules others out, and one change."""

import re

import pytest
from playwright.sync_api import expect
from seeing import sound

from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser
TIGHT, RIGHT = "/log/six-weeks-7", "/log/six-weeks-13"


@pytest.mark.parametrize("size", [DESK, PHONE])
def test_a_tight_loaf_is_told_from_its_own_figures(past, size):
    page = past.open(TIGHT, size)
    why = page.locator(".why")
    expect(why.get_by_role("heading", name="Why did it come out so?")).to_be_visible()
    first = why.locator(".causes > li").first
    expect(first).to_contain_text("bulk too short")
    expect(first).to_contain_text(re.compile(r"Bulk was stopped at \+\d+ % of \+\d+ % wanted"))
    expect(why.locator(".change")).to_contain_text("Let bulk go on to +")
    why.get_by_role("button", name="Ruled out, and why").click()
    expect(why.locator(".out")).to_contain_text("proofed too little")
    sound(page)


def test_one_tap_plans_the_bake_with_its_change(past):
    page = past.open(TIGHT)
    change = page.locator(".why .said").inner_text()
    page.get_by_role("button", name="Plan it with this change").click()
    expect(page).to_have_url(re.compile("/plan"))
    mind = page.locator(".mind")
    expect(mind).to_contain_text(change)
    expect(page.locator("svg.ribbon, .ribbon").first).to_be_visible()
    sound(page)
    mind.get_by_role("button", name="Take it off").click()
    expect(mind).to_have_count(0)


def test_what_else_was_seen_is_weighed_at_once(past):
    page = past.open(TIGHT)
    why = page.locator(".why")
    before = why.locator(".causes").inner_text()
    why.get_by_role("button", name="sour beyond wish").click()
    expect(why.get_by_role("button", name="sour beyond wish")).to_have_attribute("aria-pressed", "true")
    expect(why.locator(".causes")).not_to_have_text(before)
    why.get_by_role("button", name="sour beyond wish").click()
    expect(why.locator(".causes > li").first).to_contain_text("bulk too short")


def test_a_loaf_without_a_fault_is_not_explained(past):
    page = past.open(RIGHT)
    expect(page.get_by_role("heading", level=1)).to_be_visible()
    page.wait_for_load_state("networkidle")
    expect(page.locator(".why")).to_have_count(0)
