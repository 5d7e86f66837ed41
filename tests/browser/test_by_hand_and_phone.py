"""By keyboard alone, on the phone, in another zone, and with two pages open."""

import re

import pytest
from live import serving
from playwright.sync_api import expect

from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser


def line(page, name):
    return page.locator("button.say", has_text=name)


def test_the_whole_plan_by_keyboard(visit):
    page = visit("/plan?formula=tidewater-country")
    page.keyboard.press("Tab")
    expect(page.get_by_role("link", name="To the content")).to_be_focused()
    page.keyboard.press("Enter")
    expect(page.locator("main")).to_be_focused()
    page.keyboard.press("Tab")
    expect(line(page, "What")).to_be_focused()
    for _ in range(2):
        page.keyboard.press("Tab")
    expect(line(page, "Wanted")).to_be_focused()
    page.keyboard.press("Enter")
    expect(line(page, "Wanted")).to_have_attribute("aria-expanded", "true")
    time = page.get_by_role("textbox", name="Time")
    hour, minute = time.input_value().split(":")
    later = f"{hour}:{int(minute) + 15:02}"
    time.focus()
    page.keyboard.press("ArrowUp")
    expect(time).to_have_value(later)
    expect(line(page, "Wanted")).to_contain_text(later)
    save = page.get_by_role("button", name="Save this plan")
    save.focus()
    page.keyboard.press("Enter")
    expect(page.get_by_text("Saved", exact=True)).to_be_visible()
    expect(page).to_have_url(re.compile(r"/plan/[0-9a-f]{32}$"))


@pytest.mark.parametrize(
    ("typed", "read"), [("7", "07:00"), ("930", "09:30"), ("9.15", "09:15"), ("18h30", "18:30"), ("6:05", "06:05")]
)
def test_times_are_read_as_bakers_write_them(visit, typed, read):
    page = visit("/plan?formula=lamplighters-tin")
    line(page, "Wanted").click()
    time = page.get_by_role("textbox", name="Time")
    time.fill(typed)
    time.press("Enter")
    expect(time).to_have_value(read)


def test_the_phone_has_the_ribbon_downwards_and_rooms_under_the_thumb(visit):
    page = visit("/plan", PHONE, has_touch=True)
    ribbon = page.locator("figure.down svg")
    expect(ribbon).to_be_visible()
    box = ribbon.bounding_box()
    assert box["height"] > box["width"]
    rooms = page.get_by_role("navigation", name="Rooms")
    assert rooms.bounding_box()["y"] > 760
    rooms.get_by_role("link", name="Formulas").tap()
    expect(page.get_by_role("heading", name="Formulas")).to_be_visible()


@pytest.mark.parametrize("viewport", [DESK, PHONE])
def test_what_is_pressed_is_large_enough_for_wet_hands(visit, viewport):
    page = visit("/plan", viewport)
    line(page, "Wanted").click()
    small = page.evaluate(
        """() => [...document.querySelectorAll('main button, main input, nav a')]
            .filter(e => e.offsetParent && e.type !== 'radio')
            .map(e => [e.innerText || e.name || e.ariaLabel,
                       (e.closest('.el-input__wrapper, .el-select__wrapper') ?? e).getBoundingClientRect().height])
            .filter(([, height]) => height < 43.5)"""
    )
    assert small == []


@pytest.mark.long
def test_text_is_never_smaller_than_thirteen(visit):
    page = visit("/plan")
    sizes = page.evaluate(
        """() => [...document.querySelectorAll('main *')].filter(e => e.childNodes.length && e.textContent.trim())
            .map(e => parseFloat(getComputedStyle(e).fontSize))"""
    )
    assert min(sizes) >= 13


@pytest.mark.long
def test_clock_times_are_the_kitchens_not_the_browsers(visit):
    here = visit("/plan").get_by_role("region", name="Step by step").inner_text()
    there = visit("/plan", timezone_id="Asia/Tokyo").get_by_role("region", name="Step by step").inner_text()
    assert here == there


def test_motion_is_still_when_asked_to_be(visit):
    page = visit("/plan", reduced_motion="reduce")
    moving = page.evaluate(
        "() => [...document.querySelectorAll('*')].filter(e => getComputedStyle(e).transitionDuration !== '0s' "
        "&& getComputedStyle(e).transitionProperty !== 'none').length"
    )
    assert moving == 0


def test_the_next_thing_is_on_the_shelf_and_leads_to_its_plan(visit):
    page = visit("/formulas")
    page.get_by_role("banner").get_by_role("link", name=re.compile("Build the levain")).click()
    expect(line(page, "What")).to_contain_text("Tidewater country loaf")


def test_a_plan_opened_by_its_address_is_just_as_it_was_saved(visit):
    page = visit("/plan/5d0a0f5e-0000-4000-8000-000000000001")
    steps = page.get_by_role("region", name="Step by step").inner_text()
    again = visit("/plan/5d0a0f5e-0000-4000-8000-000000000001")
    assert again.get_by_role("region", name="Step by step").inner_text() == steps


def test_an_address_of_no_plan_is_said(visit):
    page = visit("/plan/never-was")
    expect(page.get_by_role("alert")).to_contain_text("That plan is not here")


def test_dark_and_light_are_chosen_and_kept(visit):
    page = visit("/kitchen")
    page.get_by_label("Before dawn").check(force=True)
    assert page.evaluate("getComputedStyle(document.documentElement).backgroundColor") == "rgb(20, 26, 28)"
    page.reload()
    assert page.evaluate("document.documentElement.dataset.light") == "dark"


@pytest.mark.long
def test_a_kitchen_in_which_nothing_was_set_up_yet(browser):
    with serving("serve") as address:
        page = browser.new_page()
        page.goto(f"{address}/")
        expect(page.locator("button.say", has_text="What")).to_contain_text("Tidewater country loaf")
        expect(page.get_by_role("heading", name="Saved plans")).to_have_count(0)
        page.close()
