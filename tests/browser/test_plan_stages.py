"""A plan's stages changed for this bake, or kept in the formula; what is weighed first is seen at once."""

import re

import pytest
from hands import pick, tick
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
    field.fill("16:15")
    field.press("Enter")
    expect(rows.last).to_contain_text(re.compile("16:1[3-7]"))
    expect(rows.first).not_to_contain_text("16:1")
    expect(page.locator(".ways li", has_text="no such part")).to_have_count(0)


def end_of(method, name):
    return method.get_by_role("slider", name=f"End of {name}").first


def test_the_end_of_a_stage_is_drawn_longer_and_the_plan_follows(visit):
    page, method = stages(visit, "two-tides", viewport=DESK)
    before = int(end_of(method, "Bulk").get_attribute("aria-valuenow"))
    ribbon = page.locator(".dough-ribbon svg")
    was = ribbon.get_attribute("aria-label")
    box = end_of(method, "Bulk").bounding_box()
    page.mouse.move(box["x"] + 12, box["y"] + 30)
    page.mouse.down()
    page.mouse.move(box["x"] + 42, box["y"] + 30, steps=4)
    bulk = method.get_by_role("button", name=re.compile("^Bulk")).first
    under_way = int(end_of(method, "Bulk").get_attribute("aria-valuenow"))
    page.mouse.up()
    assert before * 1.1 < under_way < before * 1.5
    expect(method).to_contain_text("its own way")
    expect(ribbon).not_to_have_attribute("aria-label", was)
    bulk.click()
    expect(page.get_by_label("to", exact=True)).to_have_value(str(under_way))


def test_the_end_of_a_stage_is_moved_by_the_arrows_and_freed_again(visit):
    page, method = stages(visit, "two-tides", viewport=DESK)
    grip = end_of(method, "Bulk")
    before = int(grip.get_attribute("aria-valuenow"))
    grip.press("ArrowRight")
    grip.press("ArrowRight")
    expect(grip).to_have_attribute("aria-valuenow", str(15 * (before // 15) + 30))
    method.get_by_role("button", name=re.compile("^Bulk")).first.click()
    page.get_by_role("combobox", name="It ends", exact=True).click(force=True)
    page.get_by_role("option", name="As it suits", exact=True).click()
    expect(grip).to_have_attribute("aria-valuenow", str(before))


def test_what_goes_in_when_it_is_mixed_is_put_in_order_and_the_salt_comes_later(visit):
    page, method = stages(visit, "tidewater-country", viewport=DESK)
    method.get_by_role("button", name=re.compile("^Mix")).first.click()
    for each in ("water", "levain", "flour"):
        with page.expect_response(lambda answer: "/api/plan" in answer.url and answer.request.method == "POST"):
            tick(page, "Goes in, in this order", each)
        expect(method).to_have_attribute("aria-busy", "false")
    tick(page, "Worked in later", "salt")
    ladder = page.locator(".ladder")
    expect(ladder).to_contain_text("In this order: water, levain and flour.")
    expect(ladder).to_contain_text("Work in salt.")


def test_stages_are_as_long_in_the_row_as_in_the_plan(visit, address):
    page, method = stages(visit, "tidewater-country", viewport=DESK)
    told = page.request.post(f"{address}/api/plan", data={"formula_id": "tidewater-country"}).json()
    later = {**told["asked"], "ready": "2026-12-01T12:00"}
    found = page.request.post(f"{address}/api/plan/method", data=later).json()
    sooner = page.request.post(f"{address}/api/plan/method", data={**told["asked"], "ready": "2026-11-30T06:00"}).json()
    minutes = [
        {each["id"]: each["minutes"] for each in answer["stages"] if each["kind"] in ("proof", "keep", "bulk")}
        for answer in (found, sooner)
    ]
    assert minutes[0].keys() == minutes[1].keys() and minutes[0] != minutes[1]
    expect(method.get_by_role("slider", name="End of Proof").first).to_have_attribute(
        "aria-valuenow", re.compile(r"\d")
    )
