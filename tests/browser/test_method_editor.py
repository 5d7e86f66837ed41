"""How a formula is made, changed by a baker: stages opened in place, added, moved, taken out, split; and planned by."""

import re

import pytest
from hands import pick
from playwright.sync_api import expect
from seeing import sound

from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser


def editor(visit, name="Tidewater country loaf", **more):
    page = visit("/formulas", **more)
    page.get_by_role("button", name=re.compile(f"^{name}")).first.click()
    page.get_by_role("button", name="Change it").click()
    method = page.get_by_role("region", name="How it is made")
    expect(stage(method, "Bulk")).to_be_visible()
    return page, method


def stage(method, name, place=0):
    return method.get_by_role("button", name=re.compile(f"^{name}")).nth(place)


def settled(method):
    expect(method).to_have_attribute("aria-busy", "false")


def names(method):
    return [text.split("\n")[0] for text in method.get_by_role("listitem").all_inner_texts()]


def test_a_cold_bulk_is_added_saved_compared_and_planned_by(visit):
    page, method = editor(visit, "Two tides wholemeal")
    stage(method, "Bulk").click()
    pick(page, "It ends", "At a rise")
    page.get_by_label("rise", exact=True).fill("60")
    expect(stage(method, "Bulk")).to_contain_text("to a rise of 60 %")
    expect(method).to_contain_text("its own way")
    page.get_by_role("button", name="Then add").click()
    page.get_by_role("menuitem", name="Keep", exact=True).click()
    expect(stage(method, "Keep")).to_contain_text("12 h to 36 h")
    settled(method)
    assert names(method).index("Keep") == names(method).index("Bulk") + 1
    assert names(method).count("Keep") == 1
    page.get_by_role("button", name="Save the formula").click()
    expect(page.get_by_text("Method, keep in the cold").first).to_be_visible()
    page.get_by_role("link", name="Plan this").click()
    expect(page.locator("button.say", has_text="The way")).to_contain_text("As the formula says")
    expect(page.locator("li", has_text="As the formula says").first).to_be_visible()


def test_what_cannot_be_is_said_and_the_way_back_is_one_press(visit):
    page, method = editor(visit)
    stage(method, "Bulk").click()
    page.get_by_role("button", name="Earlier").click()
    expect(method.get_by_role("status")).to_contain_text("bulk")
    assert names(method).index("Bulk") == names(method).index("Mix") - 1
    page.get_by_role("button", name="Later").click()
    expect(method.get_by_role("status")).to_have_count(0)
    page.get_by_role("button", name="Earlier").click()
    expect(method.get_by_role("status")).to_have_count(1)
    page.get_by_role("button", name="Save the formula").click()
    expect(page.get_by_role("alert")).to_contain_text("bulk")
    page.get_by_role("button", name="Back to a style").click()
    settled(method)
    expect(method.get_by_role("status")).to_have_count(0)
    expect(method).to_contain_text("in the style that suits it")
    assert "Shape" in names(method)


def test_pieces_go_two_ways_and_come_together_again(visit):
    page, method = editor(visit)
    stage(method, "Shape").click()
    page.get_by_role("button", name="From here two ways").click()
    expect(method.get_by_role("list", name=re.compile("later"))).to_be_visible()
    settled(method)
    stage(method, "Proof", 1).click()
    page.get_by_label("This way is called").fill("for Monday")
    method.get_by_label("Pieces", exact=True).fill("3")
    expect(method.get_by_role("list", name=re.compile("for Monday"))).to_be_visible()
    expect(method).to_contain_text("3 pieces")
    settled(method)
    expect(page.get_by_label("Pieces", exact=True).last).to_have_value("4")
    stage(method, "Proof", 1).click()
    if not page.get_by_role("button", name="All pieces one way again").is_visible():
        stage(method, "Proof", 1).click()
    page.get_by_role("button", name="All pieces one way again").click()
    expect(method.get_by_role("list")).to_have_count(1)


def test_folds_of_ones_own_stand_and_are_given_back(visit):
    page, method = editor(visit)
    stage(method, "Bulk").click()
    expect(method).to_contain_text("4 folds")
    page.get_by_text("Folds of my own").click()
    expect(page.get_by_label("How many")).to_have_value("4")
    page.get_by_role("button", name="Add a series of folds").click()
    expect(page.get_by_label("How many")).to_have_count(2)
    page.get_by_text("Folds of my own").click()
    expect(page.get_by_label("How many")).to_have_count(0)
    expect(method).to_contain_text("4 folds")


def test_a_style_is_looked_at_and_left(visit):
    page, method = editor(visit)
    pick(page, "Begin from", "Cold bulk")
    expect(stage(method, "Bulk", 1)).to_be_visible()
    expect(method).to_contain_text("in the style that suits it")
    page.get_by_role("button", name="Make it its own").click()
    expect(method).to_contain_text("its own way")


@pytest.mark.parametrize(("viewport", "scheme"), [(DESK, "light"), (PHONE, "dark")], ids=["desk-light", "phone-dark"])
def test_nothing_for_axe_to_find_and_nothing_wider_than_the_screen(visit, viewport, scheme):
    page, method = editor(visit, viewport=viewport, color_scheme=scheme)
    stage(method, "Bulk").click()
    settled(method)
    sound(page)
    assert page.evaluate("document.documentElement.scrollWidth") <= viewport["width"]


def test_by_keyboard_alone(visit):
    page, method = editor(visit)
    stage(method, "Bulk").focus()
    page.keyboard.press("Enter")
    expect(stage(method, "Bulk")).to_have_attribute("aria-expanded", "true")
    page.get_by_role("button", name="Later").focus()
    page.keyboard.press("Enter")
    settled(method)
    assert names(method).index("Bulk") == names(method).index("Divide") + 1
