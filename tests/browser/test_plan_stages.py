"""A plan's stages changed for this bake, or kept in the formula; what is weighed first is seen at once."""

import re

import pytest
from hands import pick
from playwright.sync_api import expect
from seeing import sound

from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser


def stages(visit, name, **more):
    page = visit(f"/plan?formula={name}", **more)
    page.get_by_role("button", name="Change its stages").click()
    method = page.get_by_role("region", name="How it is made")
    expect(method.get_by_role("button", name=re.compile("^Bulk")).first).to_be_visible()
    return page, method


def test_a_stage_is_changed_for_this_bake_and_then_kept_in_the_formula(visit, address):
    page, method = stages(visit, "saltmarsh-spelt")
    method.get_by_role("button", name=re.compile("^Bulk")).first.click()
    pick(page, "It ends", "At a rise")
    page.get_by_label("rise", exact=True).fill("40")
    ribbon = page.locator(".ribbon").first
    expect(ribbon).to_contain_text("+40 %")
    expect(page.locator("button.say", has_text="The way")).to_contain_text("own")
    kept = page.request.get(f"{address}/api/formulas/saltmarsh-spelt").json()
    assert kept["formula"]["method"] is None
    page.get_by_role("button", name="Keep them in the formula").click()
    expect(page.locator("button.say", has_text="The way")).to_contain_text("As the formula says")
    kept = page.request.get(f"{address}/api/formulas/saltmarsh-spelt").json()
    bulk = next(each for each in kept["formula"]["method"]["stages"] if each["kind"] == "bulk")
    assert bulk["until"] == {"rise": 0.4}


def test_another_way_taken_on_the_page_is_shown_in_its_stages(visit):
    page, method = stages(visit, "tidewater-country")
    expect(method).to_contain_text("8 h to 18 h")
    page.locator(".ways button", has_text="Cold bulk").click()
    expect(method.get_by_role("button", name=re.compile("^Bulk"))).to_have_count(2)
    expect(method).to_contain_text("12 h to 36 h")
    pick(page, "Begin from", "Room and steady")
    expect(page.locator("button.say", has_text="The way")).to_contain_text("Room and steady")


def test_stages_that_cannot_be_are_said_and_what_was_planned_stays(visit):
    page, method = stages(visit, "tidewater-country")
    method.get_by_role("button", name=re.compile("^Bulk")).first.click()
    page.get_by_role("button", name="Earlier").click()
    expect(method.get_by_role("status").first).to_contain_text("bulk")
    expect(page.locator(".ribbon").first).to_be_visible()
    page.get_by_role("button", name="Later", exact=True).click()
    expect(method.get_by_role("status")).to_have_count(0)


def test_what_is_weighed_and_when_is_seen_without_scrolling(visit):
    page = visit("/plan?formula=tidewater-country", viewport=DESK)
    lots = page.get_by_role("list", name="To weigh, by the clock")
    expect(lots.get_by_role("listitem").last).to_contain_text("Salt")
    box = lots.bounding_box()
    assert box is not None and box["y"] + box["height"] < DESK["height"]


def test_on_the_phone_the_ribbon_comes_first_and_the_choices_after_it(visit):
    page = visit("/plan?formula=tidewater-country", viewport=PHONE)
    ribbon = page.locator(".sooner svg").first
    expect(ribbon).to_be_visible()
    places = [each.bounding_box()["y"] for each in (ribbon, page.get_by_role("list", name="To weigh, by the clock"))]
    choices = page.locator("button.say", has_text="How many").bounding_box()["y"]
    ways = page.locator(".ways").bounding_box()["y"]
    assert places == sorted(places) and places[0] < 140 and places[1] < choices < ways


@pytest.mark.parametrize(("viewport", "scheme"), [(DESK, "dark"), (PHONE, "light")], ids=["desk-dark", "phone-light"])
def test_nothing_for_axe_to_find(visit, viewport, scheme):
    page, method = stages(visit, "tidewater-country", viewport=viewport, color_scheme=scheme)
    method.get_by_role("button", name=re.compile("^Proof")).first.click()
    expect(method).to_have_attribute("aria-busy", "false")
    sound(page)
    assert page.evaluate("document.documentElement.scrollWidth") <= viewport["width"]


def test_pieces_that_go_two_ways_are_drawn_on_one_clock_and_wanted_at_their_own_times(visit):
    page, method = stages(visit, "two-tides")
    method.get_by_role("button", name=re.compile("^Shape")).click()
    page.get_by_role("button", name="From here two ways").click()
    rows = page.get_by_role("region", name="The ways that the pieces go").get_by_role("listitem")
    expect(rows).to_have_count(2)
    expect(rows.last.locator("path")).not_to_have_count(0)
    page.locator("button.say", has_text="Wanted").click()
    later = page.get_by_role("group", name="later")
    field = later.get_by_label("Time, later", exact=True)
    field.fill("16:45")
    field.press("Enter")
    expect(rows.last).to_contain_text(re.compile("16:4[3-7]"))
    expect(rows.first).not_to_contain_text("16:4")
    expect(page.locator(".ways li", has_text="no such part")).to_have_count(0)
