"""What bakes have taught, put aside with a tap; and reading dough: judged, told, scored, side by side."""

import re

import pytest
from playwright.sync_api import expect
from seeing import sound

from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser


@pytest.mark.parametrize("size", [DESK, PHONE])
def test_lessons_are_put_aside_and_counted_again(past, size):
    page = past.open("/log/learnt", size)
    loaf = page.locator("article", has_text="Quayside malted loses")
    expect(loaf).to_contain_text(re.compile(r"loses 1\d(\.\d)? % of its weight in the oven"))
    expect(loaf).to_contain_text(re.compile(r"From \d+ bakes"))
    sound(page)
    loaf.get_by_role("button", name="Put it aside").click()
    expect(loaf).to_contain_text("it moves nothing")
    loaf.get_by_role("button", name="Let it count again").click()
    expect(loaf).to_contain_text("Says what a loaf will weigh")
    loaf.get_by_role("button", name="The bakes it rests on").click()
    before = loaf.locator("li").count()
    loaf.get_by_role("button", name="Do not count").first.click()
    expect(loaf.locator("li.out")).to_have_count(1)
    expect(loaf.locator("li")).to_have_count(before)
    loaf.locator("li a").first.click()
    expect(page).to_have_url(re.compile("/log/six-weeks"))


def test_a_kitchen_that_was_taught_nothing_says_how_it_is_taught(own):
    page = own.open("/log/learnt")
    expect(page.get_by_role("heading", name="Nothing yet.")).to_be_visible()
    sound(page)


@pytest.mark.parametrize("size", [DESK, PHONE])
def test_a_dough_is_read_told_and_followed_by_another(own, size):
    page = own.open("/log/practice", size)
    judge = page.get_by_role("button", name="Judge it")
    expect(judge).to_be_disabled()
    expect(page.locator(".signs li")).to_have_count(5)
    expect(page.locator("figure svg path.dough")).to_be_visible()
    sound(page)
    page.get_by_role("radio", name="ready", exact=True).check()
    page.get_by_role("radio", name="a guess").check()
    slider = page.get_by_role("slider", name="How far has it risen?")
    slider.focus()
    slider.press("ArrowRight")
    expect(page.get_by_text("+55 %", exact=True)).to_be_visible()
    judge.click()
    told = page.locator(".told")
    expect(told.get_by_role("heading")).to_have_text(re.compile(r"^(Right: it|It) was "))
    expect(told).to_contain_text(re.compile(r"It had risen to \+\d+ %; ready is from"))
    expect(told).to_contain_text("Shaped now, it would have")
    expect(page.locator(".score")).to_contain_text("One dough read")
    sound(page)
    told.get_by_role("button", name="Another dough").click()
    expect(judge).to_be_disabled()
    page.get_by_role("radio", name="Final proof").check()
    expect(page.locator("figcaption")).to_contain_text("In its basket")
    expect(page.get_by_role("slider", name="How far has it risen?")).to_have_count(0)


def test_under_ready_and_over_stand_side_by_side_for_each_dough(own):
    page = own.open("/log/practice")
    sides = page.locator(".sides article")
    expect(sides).to_have_count(3)
    expect(sides.nth(0)).to_contain_text("under")
    expect(sides.nth(2)).to_contain_text("flat, sour, pale")
    before = sides.nth(1).inner_text()
    page.get_by_role("radio", name="Final proof").check()
    expect(sides.nth(1)).to_contain_text("Baked now, it would have opened at its score")
    assert sides.nth(1).inner_text() != before
