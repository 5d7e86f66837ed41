"""Bakes as they are looked up: the list, a record, words that come later; and a mend that stands a dough elsewhere."""

import re

import pytest
from playwright.sync_api import expect
from seeing import sound

from tests.api.conftest import PLAN
from tests.api.test_bakes import baked
from tests.browser.conftest import DESK, PHONE
from tests.browser.test_bench_room import press

pytestmark = pytest.mark.browser


def fits(page, width):
    sound(page)
    assert page.evaluate("document.documentElement.scrollWidth") <= width


def test_a_kitchen_that_has_baked_nothing_yet(own):
    page = own.open("/log")
    expect(page.get_by_role("heading", name="No bake yet.")).to_be_visible()
    page.get_by_role("link", name="To the bench").click()
    expect(page.get_by_text("Nothing is on the bench.")).to_be_visible()


@pytest.mark.parametrize(("size", "scheme"), [(DESK, "light"), (PHONE, "dark")])
def test_a_finished_bake_is_found_with_its_record_and_takes_later_words(own, size, scheme):
    baked(own.day)
    page = own.open("/bench", size, color_scheme=scheme)
    expect(page.get_by_text("Nothing is on the bench.")).to_be_visible()
    expect(page.get_by_role("button", name="Start", exact=True)).to_have_count(0)
    page.get_by_role("link", name="Earlier bakes").click()
    page.get_by_role("link", name=re.compile("Tidewater country loaf.*one note · one photo")).click()
    expect(page.get_by_role("heading", name="Tidewater country loaf")).to_be_visible()
    fold = page.get_by_role("listitem").filter(has_text="Fold 3 of 4")
    expect(fold).to_contain_text("left out")
    expect(page.get_by_text("rise, by eye")).to_be_visible()
    expect(page.get_by_text("Slack, but lively.")).to_be_visible()
    expect(page.get_by_role("img", name=re.compile("^Photo"))).to_be_visible()
    fits(page, size["width"])
    page.get_by_label("What you want to remember of it").fill("Best on the second day.")
    press(page, "Write it down")
    expect(page.get_by_role("listitem").filter(has_text="Best on the second day.")).to_be_visible()
    page.get_by_label("under-proofed").check(force=True)
    expect(page.get_by_text("Proof: under-proofed")).to_be_visible()
    page.reload()
    expect(page.get_by_text("Best on the second day.")).to_be_visible()
    expect(page.get_by_text("Proof: under-proofed")).to_be_visible()


@pytest.mark.long
def test_the_plan_of_a_finished_bake_leads_to_its_record_and_does_not_start_again(own):
    baked(own.day)
    page = own.open(f"/plan/{PLAN}")
    expect(page.get_by_role("button", name="Start this bake")).to_have_count(0)
    page.get_by_role("link", name="See its record").click()
    expect(page).to_have_url(re.compile(f"/log/{PLAN}$"))
    expect(page.get_by_role("heading", name="What was done")).to_be_visible()


def test_a_record_that_is_not_there_says_so(own):
    page = own.open("/log/never")
    expect(page.get_by_role("alert")).to_contain_text("That plan is not here")


def test_in_a_hot_kitchen_the_dough_is_put_into_a_cool_bath(own):
    page = own.open("/plan?formula=tidewater-country")
    expect(page.get_by_role("button", name=re.compile("at night")).first).to_be_visible()
    page.get_by_role("button", name=re.compile("at night")).first.click()
    for name in ("By day", "By night"):
        slider = page.get_by_role("slider", name=re.compile(name, re.IGNORECASE)).first
        slider.focus()
        page.keyboard.press("End")
    steps = page.get_by_role("region", name="Step by step")
    expect(steps).to_contain_text("Into a bath of water at the dough's own warmth")
    expect(steps).to_contain_text("Put it elsewhere")


@pytest.mark.long
def test_a_bake_in_the_list_is_a_ribbon_with_its_loaf(own):
    baked(own.day)
    page = own.open("/log", PHONE)
    line = page.get_by_role("link", name=re.compile("Tidewater country loaf.*one note"))
    expect(line.locator(".drawn svg")).to_have_count(1)
    own.day.press("bake_loaf", {"form": "domed", "scores": "ear", "openness": "open", "top_colour": 60, "liked": 4})
    page.reload()
    expect(line.locator(".drawn svg")).to_have_count(2)
    expect(line).to_contain_text("liked 4 of 5")
    widths = [box["width"] for box in (svg.bounding_box() for svg in line.locator(".drawn svg").all())]
    assert sum(widths) < PHONE["width"] - 32 and widths[0] > 100
    fits(page, PHONE["width"])
