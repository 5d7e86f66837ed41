"""Titles, headings and the keyboard's place in every room; figures large enough for the reader; paper."""

import re

import pytest
from playwright.sync_api import expect
from seeing import sound

from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser
ROOMS = {
    "/bench": "Bench",
    "/log": "Log",
    "/plan": "Plan",
    "/formulas": "Formulas",
    "/cultures": "Cultures",
    "/oven": "Oven",
    "/water": "Water",
    "/kitchen": "Kitchen",
}
FOCUSED = "document.activeElement.innerText || document.activeElement.tagName"


def wide(page) -> bool:
    return page.evaluate("document.documentElement.scrollWidth > document.documentElement.clientWidth")


def test_each_room_has_its_title_and_one_heading_and_takes_the_focus(visit):
    page = visit("/plan")
    expect(page).to_have_title("Tidewater country loaf · Plan · Gentle Crust")
    rooms = page.get_by_role("navigation", name="Rooms")
    for path, name in ROOMS.items():
        rooms.get_by_role("link", name=name).focus()
        page.keyboard.press("Enter")
        expect(page).to_have_title(re.compile(rf"(^|· ){name} · Gentle Crust$"))
        expect(page.get_by_role("heading", level=1)).to_have_count(1)
        if path == "/plan":
            expect(page).to_have_title("Tidewater country loaf · Plan · Gentle Crust")  # it goes on to its plan
            continue
        expect(page.get_by_role("heading", level=1)).to_be_focused()
        expect(page.locator("#content").locator("a, button, input").first).to_be_visible()
        page.keyboard.press("Tab")
        inside = page.evaluate("document.getElementById('content').contains(document.activeElement)")
        assert inside, f"{name}: the next Tab goes into the room"
    for name in ("Formulas", "Plan", "Formulas"):
        rooms.get_by_role("link", name=name).click()
        expect(page).to_have_title(f"Tidewater country loaf · {name} · Gentle Crust")


def test_the_first_page_takes_no_focus_away(visit):
    page = visit("/kitchen")
    expect(page.get_by_role("heading", level=1)).to_be_visible()
    assert page.evaluate("document.activeElement === document.body")


def test_saving_leaves_the_keyboard_where_it_was(visit):
    page = visit("/kitchen")
    page.get_by_label("Name", exact=True).fill("Lantern Street Oven")
    save = page.get_by_role("button", name="Save the kitchen")
    save.focus()
    page.keyboard.press("Enter")
    expect(page.get_by_text("Saved", exact=True)).to_be_visible()
    expect(save).to_be_focused()


def test_what_is_taken_away_hands_the_keyboard_on(visit):
    page = visit("/kitchen")
    page.get_by_role("button", name="Add a vessel").focus()
    page.keyboard.press("Enter")
    page.get_by_role("button", name="Remove: Iron pot", exact=True).focus()
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="Add a vessel")).to_be_focused()


def test_a_formulas_editor_gives_the_keyboard_back(visit):
    page = visit("/formulas")
    page.get_by_role("button", name="Change it").focus()
    page.keyboard.press("Enter")
    page.get_by_label("Note", exact=True).fill("Typed and left.")
    page.get_by_role("button", name="Leave it").focus()
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="Change it")).to_be_visible()
    assert page.evaluate(FOCUSED) != "BODY"


@pytest.mark.parametrize("path", ROOMS)
def test_nothing_is_wider_than_a_narrow_phone_or_than_text_of_double_size_needs(visit, path):
    page = visit(path, {"width": 320, "height": 700})
    expect(page.get_by_role("heading", level=1)).to_be_attached()
    assert not wide(page), "320 pixels"
    for size in (DESK, PHONE):
        page.set_viewport_size(size)
        page.add_style_tag(content="html { font-size: 200% !important; }")
        assert page.evaluate("parseFloat(getComputedStyle(document.body).fontSize)") == 34
        page.wait_for_timeout(150)
        assert not wide(page), f"double text at {size['width']}"


@pytest.mark.parametrize("path", ROOMS)
def test_every_room_is_printed_by_daylight_without_what_only_a_screen_can_do(visit, path):
    page = visit(path, color_scheme="dark")
    expect(page.get_by_role("heading", level=1)).to_be_attached()
    page.emulate_media(media="print", color_scheme="dark")
    ground = page.evaluate("getComputedStyle(document.documentElement).getPropertyValue('--flour').trim()")
    assert ground == "#f4f6f3"
    left = page.evaluate(
        """() => [...document.querySelectorAll('nav a, .action, .plain, .link, .press, .el-button, .el-slider')]
            .filter((each) => each.checkVisibility()).map((each) => each.innerText || each.className)"""
    )
    assert left == []


def test_the_kitchens_day_follows_the_fields_and_says_itself(visit):
    page = visit("/kitchen")
    drawing = page.get_by_role("img", name=re.compile("The kitchen from noon to noon"))
    expect(drawing).to_have_attribute("aria-label", re.compile("asleep from 22:00 to 05:45"))
    before = page.locator(".room-warmth").get_attribute("d")
    asleep = page.get_by_role("textbox", name="Asleep from")
    asleep.fill("20:30")
    asleep.blur()
    expect(drawing).to_have_attribute("aria-label", re.compile("asleep from 20:30 to 05:45"))
    expect(page.locator(".room-warmth")).not_to_have_attribute("d", before)
    asleep.fill("25:10")
    asleep.blur()
    expect(page.get_by_role("status").filter(has_text="'25:10' is not a time of day")).to_be_visible()
    asleep.fill("21:00")
    asleep.blur()
    expect(drawing).to_have_attribute("aria-label", re.compile("asleep from 21:00 to 05:45"))
    expect(page.get_by_text("is not a time of day")).to_have_count(0)


def test_counting_down_is_not_read_aloud_every_minute(own):
    own.day.mixed()
    page = own.open("/bench")
    expect(page.locator("section.next h2")).to_be_visible()
    live = page.locator("section.next [aria-live], section.next [role=status]")
    assert "min" not in " ".join(live.all_inner_texts())
    assert page.locator("section.next").get_attribute("aria-live") is None


@pytest.mark.parametrize("path", ["/oven", "/formulas", "/cultures", "/water", "/kitchen"])
def test_what_a_finger_presses_is_large_enough_on_the_phone(visit, path):
    """All but links within a sentence, and fields whose frame is what is pressed."""
    page = visit(path, PHONE)
    expect(page.get_by_role("heading", level=1)).to_be_attached()
    small = page.evaluate(
        """() => [...document.querySelectorAll('#content :is(button, [role=slider], a, summary, input)')]
            .filter((each) => each.checkVisibility() && !each.closest('p, .out-of-sight') && each.type !== 'file')
            .map((each) => each.closest('.el-input__wrapper, .el-select__wrapper, label') ?? each)
            .map((each) => each.closest('.el-checkbox, .el-radio-button') ?? each)
            .map((each) => [each.getAttribute('aria-label') || each.innerText, each.getBoundingClientRect()])
            .filter(([, box]) => box.height < 43.5 || box.width < 43.5)
            .map(([name, box]) => [name, Math.round(box.width), Math.round(box.height)])"""
    )
    assert small == []


@pytest.mark.parametrize("path", [*ROOMS, "/cultures/gull", "/trust"])
def test_every_room_is_sound_and_its_contrast_is_judged(visit, path):
    page = visit(path)
    expect(page.get_by_role("heading").first).to_be_visible()
    sound(page)
    page.set_viewport_size(PHONE)
    page.emulate_media(color_scheme="dark", reduced_motion="reduce")
    sound(page)


def test_too_little_contrast_on_a_drawing_is_found(visit):
    page = visit("/kitchen")
    page.add_style_tag(content="svg text { fill: #e0b050 !important }")
    with pytest.raises(AssertionError, match=r"Asleep|23°"):
        sound(page)
