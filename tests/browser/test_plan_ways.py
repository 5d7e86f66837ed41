"""Ways, shades, reasons, readings and the printed card, as a baker meets them in the Plan room."""

import re

import pytest
from hands import pick
from live import serving
from playwright.sync_api import expect
from seeing import sound

from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser
IN_BULK = "2026-11-28T17:10:00+00:00"


@pytest.fixture(scope="module")
def evening(tmp_path_factory):
    """The demo of the morning at twenty past seven, its planned dough well into bulk."""
    folder = tmp_path_factory.mktemp("evening")
    with serving(folder=folder):
        pass
    with serving(now=IN_BULK, folder=folder) as address:
        yield address


def test_one_of_the_ways_is_taken_with_one_press(visit):
    page = visit("/plan")
    strip = page.get_by_role("region", name="Ways to get there")
    expect(strip.get_by_role("button")).to_have_count(6)
    expect(strip.get_by_role("button", name=re.compile("Shaped, then cold"))).to_have_attribute("aria-pressed", "true")
    strip.get_by_role("button", name=re.compile("Warm and quick")).click()
    expect(page.locator("button.say", has_text="The way")).to_contain_text("Warm and quick")
    expect(strip.get_by_role("button", name=re.compile("Warm and quick"))).to_have_attribute("aria-pressed", "true")


def test_a_shade_is_laid_over_the_ribbon_and_taken_off(visit):
    page = visit("/plan")
    weaker = page.get_by_role("button", name="Leaven a fifth weaker")
    weaker.click()
    expect(page.locator("path.shade").first).to_be_visible()
    sound(page)
    expect(page.get_by_text(re.compile("By the clock it meets the oven at"))).to_be_visible()
    weaker.click()
    expect(page.locator("path.shade")).to_have_count(0)


def test_why_and_a_question_turned_round(visit):
    page = visit("/plan")
    page.get_by_role("button", name="Why these times").click()
    expect(page.get_by_text(re.compile("A plain white dough"))).to_be_visible()
    pick(page, "What must be so", "How much levain")
    page.get_by_label("After", exact=True).fill("0,5")
    page.get_by_role("button", name="Reckon").click()
    expect(page.get_by_text(re.compile("it would not be there yet"))).to_be_visible()
    page.get_by_label("After", exact=True).fill("6")
    page.get_by_role("button", name="Reckon").click()
    expect(page.locator("strong.said")).to_have_text(re.compile(r"^\d+\.\d % of the flour$"))


def test_the_ready_window_follows_levain_and_how_far_bulk_goes(visit):
    page = visit("/plan")
    mix = page.locator("li", has_text="Add the ripe levain").locator("time")
    before = mix.inner_text()
    page.locator("button.say", has_text="Dough").click()
    slider = page.get_by_role("slider", name="Levain, of the flour")
    slider.focus()
    for _ in range(8):
        page.keyboard.press("ArrowRight")
    expect(mix).not_to_have_text(before)
    page.get_by_label("25 to 40 %").check(force=True)
    step = page.locator("li", has_text="Stop bulk at")
    expect(step).to_contain_text(re.compile(r"Stop bulk at \+(2[5-9]|3\d|40) %"))


def test_a_reading_moves_what_comes_later_and_can_be_taken_back(browser, evening):
    page = browser.new_page(viewport=DESK)
    page.goto(f"{evening}/plan")
    divide = page.locator("li", has_text="Stop bulk at").locator("time")
    expect(divide).to_be_visible()
    before = divide.inner_text()
    page.get_by_label("Line on the box").check(force=True)
    page.get_by_label("It stands at").fill("2,4")
    page.get_by_role("button", name="Log it", exact=True).click()
    expect(page.get_by_text("faster than usual")).to_be_visible()
    expect(divide).not_to_have_text(before)
    page.get_by_label("By eye").check(force=True)
    page.get_by_label("It has risen").fill("5")
    page.get_by_role("button", name="Log it", exact=True).click()
    expect(page.get_by_text("It stood higher before")).to_be_visible()
    page.get_by_label("Thermometer").check(force=True)
    page.get_by_label("The dough", exact=True).fill("60")
    page.get_by_role("button", name="Log it", exact=True).click()
    expect(page.get_by_role("alert")).to_contain_text("60°C")
    page.reload()
    expect(page.get_by_text("faster than usual")).to_be_visible()
    removes = page.get_by_role("button", name=re.compile("^Remove: "))
    for left in (1, 0):
        removes.first.click()
        expect(removes).to_have_count(left)
    expect(divide).to_have_text(before)
    page.close()


def test_the_card_prints_on_one_page_without_the_room_around_it(visit):
    page = visit("/plan")
    page.emulate_media(media="print")
    expect(page.get_by_role("article", name="Card for the bake day")).to_be_visible()
    expect(page.get_by_role("button", name="Save this plan")).to_have_count(0)
    pdf = page.pdf(format="A4", margin={"top": "12mm", "bottom": "12mm", "left": "12mm", "right": "12mm"})
    assert len(re.findall(rb"/Type\s*/Page[^s]", pdf)) == 1


@pytest.mark.parametrize("viewport", [DESK, PHONE])
def test_nothing_for_axe_to_find(browser, evening, viewport):
    page = browser.new_page(viewport=viewport)
    page.goto(f"{evening}/plan")
    page.get_by_role("button", name="Why these times").click()
    page.wait_for_timeout(500)
    sound(page)
    assert page.evaluate("document.documentElement.scrollWidth") <= viewport["width"]
    page.close()


def test_a_batch_is_split_for_another_day(visit):
    page = visit("/plan")
    page.locator("button.say", has_text="How many").click()
    page.get_by_label("Of these, kept for another day").fill("1")
    page.keyboard.press("Enter")
    outs = page.get_by_role("region", name="The ways that the pieces go").get_by_role("listitem")
    expect(outs.first).to_contain_text("one piece, out Sun 07:30")
    expect(outs.last).to_contain_text("one piece, out Mon 07:30")
    page.get_by_label("Two days on").check(force=True)
    expect(outs.last).to_contain_text("one piece, out Tue 07:30")
    steps = page.get_by_role("region", name="Step by step")
    expect(steps.locator("li", has_text="later").filter(has_text="Load")).to_have_count(1)


def test_the_box_of_the_kitchen_is_the_box_of_the_marks(visit):
    page = visit("/kitchen")
    page.get_by_label("A straight box holds").fill("6,5")
    page.get_by_label("A sample jar is wide inside").fill("")
    page.get_by_role("button", name="Save the kitchen").click()
    expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()
    page.get_by_label("A straight box holds").fill("9999")
    page.get_by_role("button", name="Save the kitchen").click()
    expect(page.get_by_role("alert")).to_contain_text("The box")
    page.get_by_role("link", name="Plan", exact=True).click()
    expect(page.get_by_text(re.compile("in your 6.5-litre box is the"))).to_be_visible()
    expect(page.get_by_text("Keep it beside the dough")).to_have_count(0)


def test_a_plan_of_an_older_version_offers_the_newest(visit):
    page = visit("/formulas")
    page.get_by_role("button", name="Change it").click()
    page.get_by_label("Water %", exact=True).fill("73")
    page.get_by_role("button", name="Save the formula").click()
    expect(page.get_by_role("button", name="Change it")).to_be_visible()
    page.get_by_role("link", name="Plan", exact=True).click()
    expect(page.get_by_text(re.compile("Made with version 3"))).to_be_visible()
    water = page.get_by_text(re.compile(r"75\.5 % water"))
    expect(water).to_be_visible()
    page.get_by_role("button", name=re.compile("Plan the newest, version 4")).click()
    expect(page.get_by_text(re.compile(r"73\.0 % water"))).to_be_visible()


def test_a_formula_by_feel_shows_both_ends_where_it_is_weighed(visit):
    page = visit("/plan?formula=two-tides")
    weigh = page.get_by_role("region", name="Weigh")
    expect(weigh).to_contain_text("By feel: keep")
    expect(weigh).to_contain_text("supple")
    expect(weigh).to_contain_text("slack")
    expect(weigh.get_by_role("heading", name="Poolish")).to_be_visible()
    expect(weigh.get_by_role("heading", name=re.compile("^Levain"))).to_be_visible()
