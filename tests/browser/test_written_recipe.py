"""A written recipe pasted whole: read, asked about, put right with a tap, and made a formula."""

import re

import pytest
from hands import pick
from playwright.sync_api import expect
from seeing import sound

from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser
CUPS = "3 1/2 cups bread flour\n1 1/4 cups water\n1 tbsp table salt\n1 packet instant yeast\nwhat grandmother knew"
TWO_STAGES = """Slipway loaf

Levain
25 g starter
75 g wholemeal flour
75 g water

Dough
500 g bread flour
340 g water
11 g salt
all of the levain
100 g raisins (optional)

Leave the levain for 6 hours.
Mix everything. Bulk 2 hours with 3 folds every 30 minutes.
Shape, chill for 12 hours. Talk to the neighbours for 5 minutes.
Bake in a cast iron pot at 240 C, 25 minutes covered and 20 minutes uncovered."""


def pasted(page, text):
    page.get_by_role("button", name="Paste a recipe").click()
    page.get_by_label("The recipe").fill(text)
    expect(page.get_by_role("heading", name="What goes in")).to_be_visible()
    return page


def row(page, text):
    return page.locator(".goes-in li").filter(has_text=text)


@pytest.mark.long
def test_cups_are_narrowed_by_how_the_baker_measures_and_that_is_kept(own):
    page = pasted(own.open("/formulas"), CUPS)
    expect(page.get_by_text("Salt comes to 4.1 %")).to_be_visible()
    expect(page.get_by_text("what grandmother knew", exact=True)).to_be_visible()
    page.get_by_role("button", name="Spooned into the cup").click()
    expect(page.get_by_text("427 g")).to_be_visible()
    page.reload()
    page.get_by_role("button", name="Paste a recipe").click()
    expect(page.get_by_label("The recipe")).to_have_value(CUPS)
    expect(page.get_by_text("427 g")).to_be_visible()
    assert own.day.client.get("/api/kitchen").get_json()["settings"]["measures"]["flour"] == "spooned"
    page.get_by_role("button", name="Make it a formula").click()
    page.get_by_label("Name", exact=True).fill("From a cup")
    page.get_by_role("button", name="Save the formula").click()
    expect(page.get_by_role("heading", name="From a cup")).to_be_visible()


@pytest.mark.long
def test_a_cup_that_was_weighed_once_counts_for_every_recipe(own):
    page = pasted(own.open("/formulas"), CUPS)
    page.get_by_role("button", name="How you measure").click()
    page.get_by_label("My cup of flour weighs").fill("140")
    expect(row(page, "3 1/2 cups bread flour")).to_contain_text("490 g")
    expect.soft(page.get_by_text("490 g")).to_be_visible()
    page.wait_for_load_state("networkidle")
    assert own.day.client.get("/api/kitchen").get_json()["settings"]["measures"]["cup_flour_g"] == 140


@pytest.mark.parametrize("size", [DESK, PHONE])
def test_each_sentence_stands_beside_the_stages_it_became(own, size):
    page = pasted(own.open("/formulas", size), TWO_STAGES)
    made = page.locator(".made ol > li")
    bulk = made.filter(has_text="Bulk 2 hours")
    expect(bulk.locator(".stages")).to_contain_text("2 h, 3 sets of folds")
    expect(bulk).to_contain_text(re.compile("It says 2 h; in your kitchen about [3-9] h"))
    baked = made.filter(has_text="Bake in a cast iron pot").locator(".stages")
    expect(baked).to_contain_text(re.compile(r"240\s?°C, 25 min, covered"))
    expect(baked).to_contain_text(re.compile(r"240\s?°C, 20 min$"))
    shaped = made.filter(has_text="Shape, chill for 12 hours").locator(".stages strong")
    expect(shaped).to_have_text(["shape", "proof in the cold"])
    expect(row(page, "all of the levain")).to_contain_text("goes in whole")
    expect(page.locator(".goes-in h4")).to_have_text(["levain", "Dough"])
    sound(page)


@pytest.mark.long
def test_what_was_misread_is_put_right_with_a_tap_and_as_it_was_read_again(own):
    page = pasted(own.open("/formulas"), TWO_STAGES)
    line = row(page, "340 g water")
    line.get_by_role("button").first.click()
    line.get_by_label("Weighs").fill("360")
    line.get_by_label("Weighs").blur()
    expect(line).to_contain_text("360 g")
    line.get_by_role("button", name="As it was read").click()
    expect(line).to_contain_text("340 g")
    moved = row(page, "11 g salt")
    moved.get_by_role("button").first.click()
    pick(page, "Goes into", "levain")
    expect(page.locator(".stage").filter(has_text="25 g starter")).to_contain_text("11 g salt")


@pytest.mark.long
def test_what_is_optional_can_be_left_out_and_comes_back(own):
    page = pasted(own.open("/formulas"), TWO_STAGES)
    page.get_by_role("button", name="Left out").click()
    expect(row(page, "100 g raisins")).to_have_count(0)
    left = page.locator("p").filter(has_text="Left out by you: 100 g raisins")
    page.reload()
    page.get_by_role("button", name="Paste a recipe").click()
    left.get_by_role("button", name="As it was read").click()
    expect(row(page, "100 g raisins")).to_be_visible()


@pytest.mark.long
def test_a_sentence_in_which_nothing_happens_leaves_the_course(own):
    page = pasted(own.open("/formulas"), TWO_STAGES)
    chat = page.locator(".made ol > li").filter(has_text="Talk to the neighbours")
    chat.get_by_role("button").click()
    pick(page, "What happens here", "Nothing happens here")
    expect(chat.locator(".stages strong")).to_have_count(0)
    page.get_by_role("button", name="Make it a formula").click()
    expect(page.get_by_label("Name", exact=True)).to_have_value("Slipway loaf")
    page.get_by_role("button", name="Save the formula").click()
    expect(page.get_by_role("heading", name="Slipway loaf")).to_be_visible()
    kept = own.day.client.get("/api/formulas").get_json()["formulas"]
    key = next(each["id"] for each in kept if each["name"] == "Slipway loaf")
    formula = own.day.client.get(f"/api/formulas/{key}").get_json()["formula"]
    kinds = [stage["kind"] for stage in formula["method"]["stages"]]
    assert kinds == ["levain", "mix", "bulk", "shape", "proof", "bake"]
    assert formula["preferments"][0]["kind"] == "levain"


def test_a_recipe_that_does_not_say_how_it_is_made_is_given_the_usual_way(own):
    page = pasted(own.open("/formulas"), "500 g bread flour\n340 g water\n10 g salt\n3 g instant yeast")
    expect(page.get_by_text("The recipe does not say how it is made")).to_be_visible()
    expect(page.locator(".made strong").first).to_be_visible()


def test_a_stale_reading_is_never_taken(own):
    page = pasted(own.open("/formulas"), "500 g bread flour\n340 g water\n10 g salt\n3 g instant yeast")
    page.get_by_label("The recipe").fill("1000 g rye flour\n800 g water\n20 g salt\n6 g instant yeast")
    page.get_by_role("button", name="Make it a formula").click()
    expect(page.get_by_label("Fine rye %")).to_have_value("100")
