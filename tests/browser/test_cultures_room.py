"""The Cultures room as a baker meets it: feeding with wet hands, looking, history, a new culture, the phone."""

import re
from itertools import pairwise

import pytest
from hands import pick, tick
from live import serving
from playwright.sync_api import expect
from seeing import sound

from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser


@pytest.fixture
def own(own):
    """A demo of its own, to change at will: opens pages on it."""
    return lambda path="/cultures", viewport=DESK, **more: own.open(path, viewport, **more)


def state(page):
    return page.locator("p.state")


def test_one_tap_logs_the_usual_feed_and_one_takes_it_back(own):
    page = own()
    expect(state(page)).to_have_text(re.compile("Ripe until 08:[0-5]"))
    page.get_by_role("button", name="Feed", exact=True).click()
    expect(page.get_by_role("heading", name="Feed Gull")).to_be_focused()
    page.get_by_role("button", name="Log the feed").click()
    expect(state(page)).to_have_text(re.compile("Ripe from"))
    expect(page.get_by_role("status").filter(has_text="Fed, and written down.")).to_be_visible()
    page.reload()
    expect(state(page)).to_have_text(re.compile("Ripe from"))
    page.get_by_role("button", name=re.compile("^Remove: 06:30 Fed")).click()
    expect(state(page)).to_have_text(re.compile("Ripe until 08:[0-5]"))
    page.get_by_text("Taken back in the last 30 days: 1").click()
    page.get_by_role("button", name="Bring it back").click()
    expect(state(page)).to_have_text(re.compile("Ripe from"))


def test_levain_for_tomorrow_is_offered_in_ways_and_weighed_as_chosen(own):
    page = own("/cultures/gull?do=feed")
    ways = page.get_by_role("radiogroup", name="Ways to feed").get_by_role("radio")
    expect(ways.first).to_contain_text("1 : ")
    before = page.locator(".over").inner_text()
    ways.nth(2).click()
    expect(ways.nth(2)).to_have_attribute("aria-checked", "true")
    expect(page.locator(".over")).not_to_have_text(before)
    page.get_by_label("I need").fill("400")
    expect(page.locator(".step").last).to_contain_text(re.compile(r"(19|2[01])\d\sg flour"))
    page.get_by_role("button", name="Weigh it so").click()
    expect(page.get_by_label("Flour", exact=True)).to_have_value(re.compile(r"^(19|2[01])\d$"))
    pick(page, "Day", "Today")
    page.get_by_label("Ripe at").fill("9")
    page.keyboard.press("Enter")
    expect(page.get_by_text(re.compile("The time is too short by"))).to_be_visible()
    expect(page.get_by_text(re.compile("At the soonest"))).to_be_visible()


def test_a_height_moves_the_ripe_window_and_a_bad_one_is_refused_without_losing_it(own):
    page = own("/cultures/gull?do=feed")
    page.get_by_role("button", name="Log the feed").click()
    expect(page.get_by_text(re.compile("Fed 06:30"))).to_be_visible()
    page.get_by_role("button", name="Look at it").click()
    page.get_by_label("Height now").fill("400")
    page.get_by_role("button", name="domed", exact=True).click()
    page.get_by_role("button", name="Log what it shows").click()
    expect(page.get_by_role("alert")).to_contain_text("beyond the jar")
    expect(page.get_by_label("Height now")).to_have_value("400")
    page.get_by_label("Height now").fill("31")
    page.get_by_role("button", name="Log what it shows").click()
    expect(page.get_by_text("31 mm, domed")).to_be_visible()


def test_into_the_fridge_and_back_again_changes_what_is_foretold(own):
    page = own()
    page.get_by_role("button", name="Into the fridge").click()
    expect(page.get_by_role("button", name="Onto the counter")).to_be_visible()
    expect(page.get_by_text("180 g in the fridge")).to_be_visible()
    page.get_by_role("button", name="Take it back").click()
    expect(page.get_by_role("button", name="Into the fridge")).to_be_visible()


def test_fuzzy_growth_says_discard_with_its_caution(own):
    page = own("/cultures/gull?do=look")
    page.get_by_role("button", name="fuzzy").click()
    page.get_by_role("button", name="Log what it shows").click()
    expect(state(page)).to_have_text("Discard it")
    expect(page.get_by_text("Pink, orange or fuzzy: throw all of it away")).to_be_visible()


def test_a_new_culture_from_its_jar_to_its_first_forecast(own):
    page = own("/cultures?do=new")
    page.get_by_role("button", name="Save the culture").click()
    expect(page.get_by_role("alert")).to_have_text("Give it a name.")
    expect(page.get_by_label("Name")).to_be_focused()
    page.get_by_label("Name").fill("Ebb")
    pick(page, "Fed with", "Fine rye")
    page.get_by_role("button", name="Mix in another flour").click()
    pick(page, "mixed with", "Strong white")
    page.get_by_label("its share").fill("40")
    page.get_by_label("On days of the week").check(force=True)
    pick(page, "Day of the week", "Thursday")
    page.get_by_role("button", name="Another feed").click()
    expect(page.get_by_label("At", exact=True)).to_have_count(2)
    page.get_by_role("button", name="Save the culture").click()
    expect(state(page)).to_have_text("Not fed yet")
    expect(page.get_by_text("Fine rye 60 %, Strong white 40 %, 100 % water")).to_be_visible()
    page.get_by_role("button", name="Feed", exact=True).click()
    page.get_by_role("button", name="Log the feed").click()
    expect(state(page)).to_have_text(re.compile("Ripe from"))
    expect(page.get_by_role("link", name=re.compile("Ebb"))).to_be_visible()
    page.get_by_role("button", name="Put Ebb away").click()
    expect(page.get_by_text(re.compile("Ebb, until"))).to_be_visible()
    page.get_by_role("button", name="Bring it back").click()
    expect(state(page)).to_have_text(re.compile("Ripe from"))


def test_a_levain_is_asked_for_six_days_ahead_through_the_feeds_between(own):
    page = own("/cultures/gull?do=feed")
    pick(page, "Day", "Friday")
    expect(page.get_by_text(re.compile(r"First 5 feeds as usual, .*Sat.* to .*Wed"))).to_be_visible()
    expect(page.locator(".step").last).to_contain_text(re.compile("Thu"))
    brack = own("/cultures/brack?do=feed")
    pick(brack, "Day", "Tuesday 8 December")
    expect(brack.locator(".feed-ways [role=radio]").first).to_be_visible()


def test_less_flour_than_culture_and_another_flour_are_written_down(own):
    page = own("/cultures/gull?do=feed")
    page.get_by_label("Culture kept").fill("80")
    page.get_by_label("Flour", exact=True).first.fill("20")
    page.get_by_label("Water", exact=True).fill("20")
    page.get_by_role("button", name="Another time, its temperature, its mark, its flour").click()
    page.get_by_text("Another flour than usual").click()
    page.get_by_role("button", name="Mix in another flour").click()
    page.get_by_role("button", name="Log the feed").click()
    expect(page.locator(".history")).to_contain_text(re.compile(r"Fed 80 : 20 : 20, Strong white 50 %, .* 50 %"))


def test_a_smell_in_ones_own_words_and_a_weight_without_the_jars(own, client):
    client.put("/api/cultures/gull", json={"name": "Gull", "flour_kind": "strong_white",
                                                   "hydration_percent": 100, "jar": {"diameter_mm": 85}})  # fmt: skip
    page = own("/cultures/gull?do=look")
    page.get_by_label("What it smells of, in your own words").fill("green apples")
    page.get_by_role("button", name="Log what it shows").click()
    expect(page.locator(".history")).to_contain_text("“green apples”")
    page.get_by_role("button", name="Look at it").click()
    page.get_by_role("button", name="Weigh it").click()
    page.get_by_label("The culture alone").fill("150")
    page.get_by_role("button", name="Log the weight").click()
    expect(page.get_by_text("150 g on the counter")).to_be_visible()


def test_five_cultures_stand_side_by_side(own, client):
    for number, name in enumerate(("Ebb", "Reed", "Sedge")):
        path = f"/api/cultures/more-{number}"
        client.put(path, json={"name": name, "flour_kind": "strong_white", "jar": {"diameter_mm": 85}})
        client.put(f"{path}/events/fed-{number}", json={"kind": "fed", "seed_g": 20, "flour_g": 60, "water_g": 60})
    page = own("/cultures/gull?do=compare")
    expect(page.locator(".many")).to_contain_text("Ebb")
    tick(page, "Beside", "Reed", "Sedge", "Brack")
    drawing = page.get_by_role("img", name="Cultures after the same feed")
    expect(drawing.locator("path.curve")).to_have_count(5)
    expect(drawing.locator("text.strong")).to_have_text(["Gull", "Ebb", "Reed", "Sedge", "Brack"])
    boxes = [drawing.locator("text.strong").nth(place).bounding_box() for place in range(5)]
    heights = sorted(box["y"] for box in boxes)
    assert all(lower - upper >= 15 for upper, lower in pairwise(heights)), "no name lies on another"
    expect(page.locator("dl")).to_contain_text("Sedge")


def test_begun_from_nothing_it_is_guided_day_by_day(own):
    page = own("/cultures?do=new")
    page.get_by_label("Begin one from flour and water").check(force=True)
    expect(page.get_by_text("whatever the first bubbles promise")).to_be_visible()
    page.get_by_label("Name").fill("Spring")
    page.get_by_role("button", name="Save the culture").click()
    expect(state(page)).to_have_text("Day 1: waiting")
    page.goto(page.url.replace(page.url.rsplit("/", 1)[-1], "pip"))
    expect(state(page)).to_have_text("Day 4: quiet")
    expect(page.get_by_text("Yours: +83 %")).to_be_visible()


def test_the_plan_takes_another_culture_and_feeds_it_first(own):
    page = own("/plan")
    page.get_by_role("button", name="Begin another plan").click()
    line = page.locator("button.say", has_text="Dough")
    expect(line).to_contain_text("Gull")
    line.click()
    page.get_by_label("Brack").check(force=True)
    expect(page.locator("button.say", has_text="Dough")).to_contain_text("Brack")
    expect(page.get_by_text("Feed Brack").first).to_be_visible()
    page.get_by_label("Another, lively").check(force=True)
    expect(page.locator("button.say", has_text="Dough")).to_contain_text("culture lively")


def test_a_preferment_for_the_night_and_a_rye_sour(visit):
    page = visit("/cultures?do=preferment")
    dose = page.locator(".huge")
    first = float(dose.inner_text())
    page.get_by_label("Part of it in the fridge").check()
    expect(dose).not_to_have_text(f"{first:.2f}")
    page.get_by_label("Biga").check(force=True)
    expect(page.get_by_text(re.compile("it has about tripled"))).to_be_visible()
    page.get_by_role("button", name="collapsed").click()
    expect(page.get_by_role("status")).to_be_visible()
    page.get_by_label("Ripe at").fill("20:30")
    pick(page, "Ripe on", "Today")
    expect(page.get_by_role("alert")).to_be_visible()
    page.get_by_role("link", name="A rye sour in stages").click()
    expect(page.get_by_text("Basic sour").first).to_be_visible()
    page.get_by_label("Two", exact=True).check(force=True)
    expect(page.get_by_text("Freshening")).to_have_count(0)


@pytest.mark.parametrize(
    "path",
    [
        "/cultures/gull", "/cultures/brack", "/cultures/pip", "/cultures/gull?do=feed", "/cultures/gull?do=look",
        "/cultures/gull?do=take", "/cultures/gull?do=away", "/cultures/gull?do=compare", "/cultures?do=new",
        "/cultures?do=preferment", "/cultures?do=sour",
    ],
)  # fmt: skip
def test_nothing_for_axe_to_find_and_nothing_cut_off(visit, path):
    page = visit(path, reduced_motion="reduce")
    for viewport in (DESK, PHONE):
        page.set_viewport_size(viewport)
        sound(page)
        assert page.evaluate("document.documentElement.scrollWidth") <= viewport["width"]


def test_before_dawn_too(visit):
    page = visit("/cultures/brack", color_scheme="dark")
    sound(page)


def test_on_the_phone_a_feed_is_two_taps_at_48_pixels(own):
    page = own("/cultures/gull", PHONE, has_touch=True)
    feed = page.get_by_role("button", name="Feed", exact=True)
    assert feed.bounding_box()["height"] >= 48
    feed.tap()
    log = page.get_by_role("button", name="Log the feed")
    assert log.bounding_box()["height"] >= 48
    log.tap()
    expect(state(page)).to_have_text(re.compile("Ripe from"))


@pytest.mark.long
def test_a_feed_that_is_due_stands_in_the_shelf_and_opens_the_jar(browser):
    with serving(now="2026-11-28T22:00:00+00:00") as address:
        page = browser.new_context(viewport=DESK, service_workers="block").new_page()
        page.goto(f"{address}/plan")
        due = page.get_by_role("banner").get_by_role("link", name=re.compile("Feed Gull"))
        expect(due).to_contain_text("late")
        due.click()
        expect(page.get_by_role("heading", name="Feed Gull")).to_be_visible()
        page.context.close()
