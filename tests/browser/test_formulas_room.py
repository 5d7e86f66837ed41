"""The Formulas room as a baker uses it: written, pasted, brought in, changed and brought back."""

import json
import re

import pytest
from axe_playwright_python.sync_playwright import Axe
from playwright.sync_api import expect

from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser
RECIPE = "3 1/2 cups bread flour\n1 1/4 cups water\n1 tbsp table salt\n1 packet instant yeast\nknead it"


def test_a_formula_is_changed_with_a_decimal_comma_and_its_earlier_version_brought_back(visit):
    page = visit("/formulas")
    page.get_by_role("button", name="Change it").click()
    water = page.get_by_label("Water %", exact=True)
    row = page.locator("table").last.get_by_role("row", name=re.compile("^Water"))
    before = row.inner_text()
    water.fill("77,5")
    expect(row).not_to_have_text(before)
    page.get_by_role("button", name="Save the formula").click()
    expect(page.get_by_role("button", name=re.compile("Tidewater country loaf 77.5 % water"))).to_be_visible()
    page.get_by_role("button", name="Bring back version 1").click()
    expect(page.get_by_role("button", name=re.compile("Tidewater country loaf 75.5 % water"))).to_be_visible()


def test_flours_that_do_not_add_up_are_said_and_cannot_be_saved(visit):
    page = visit("/formulas")
    page.get_by_role("button", name="Write a new one").click()
    page.get_by_label("Strong white %").fill("90")
    expect(page.get_by_role("alert")).to_contain_text("The flours add up to 90 %")
    expect(page.get_by_role("button", name="Save the formula")).to_be_disabled()
    page.get_by_label("Strong white %").fill("100")
    expect(page.get_by_role("alert")).to_have_count(0)
    page.get_by_label("Name", exact=True).fill("Ferryman's white")
    page.get_by_role("button", name="Save the formula").click()
    page.get_by_role("link", name="Plan this").click()
    expect(page.locator("button.say", has_text="What")).to_contain_text("Ferryman's white")


def test_a_pasted_recipe_becomes_a_formula(visit):
    page = visit("/formulas")
    page.get_by_role("button", name="Paste a recipe").click()
    page.get_by_label("Ingredients").fill(RECIPE)
    expect(page.get_by_text("Salt comes to 4.1 %")).to_be_visible()
    expect(page.get_by_text("knead it", exact=True)).to_be_visible()
    page.get_by_label("Spooned").check(force=True)
    expect(page.get_by_text("427 g")).to_be_visible()
    page.reload()
    page.get_by_role("button", name="Paste a recipe").click()
    expect(page.get_by_label("Ingredients")).to_have_value(RECIPE)
    expect(page.get_by_text("427 g")).to_be_visible()
    page.get_by_role("button", name="Make it a formula").click()
    page.get_by_label("Name", exact=True).fill("From a cup")
    page.get_by_role("button", name="Save the formula").click()
    expect(page.get_by_role("heading", name="From a cup")).to_be_visible()


def test_a_formula_goes_out_as_a_file_and_comes_in_again(visit, tmp_path):
    page = visit("/formulas")
    page.get_by_role("button", name=re.compile("^Tidewater")).click()
    with page.expect_download() as caught:
        page.get_by_role("link", name="Recipe, schema.org").click()
    file = tmp_path / "loaf.jsonld"
    caught.value.save_as(file)
    assert json.loads(file.read_text(encoding="utf-8"))["@type"] == "Recipe"
    page.get_by_label("Bring in a file").set_input_files(file)
    expect(page.get_by_label("Name", exact=True)).to_have_value("Tidewater country loaf")
    broken = tmp_path / "broken.json"
    broken.write_text('{"name": ')
    page.get_by_label("Bring in a file").set_input_files(broken)
    expect(page.get_by_role("alert")).to_contain_text("damaged")


def test_culture_instead_of_yeast_says_what_it_does_to_bulk(visit):
    page = visit("/formulas")
    page.get_by_role("button", name=re.compile("^Lamplighter's tin loaf 64")).click()
    page.get_by_role("button", name="With my culture").click()
    expect(page.get_by_role("status").filter(has_text="Bulk took")).to_contain_text("now about")
    expect(page.get_by_label("Name", exact=True)).to_have_value("Lamplighter's tin loaf, with levain")
    page.get_by_role("button", name="Save the formula").click()
    page.get_by_role("button", name="With yeast").click()
    expect(page.get_by_label("Yeast %")).not_to_have_value("0")


@pytest.mark.parametrize("viewport", [DESK, PHONE])
@pytest.mark.parametrize("button", ["Change it", "Paste a recipe"])
def test_nothing_for_axe_to_find(visit, viewport, button):
    page = visit("/formulas", viewport)
    page.get_by_role("button", name=button).click()
    page.wait_for_timeout(300)
    assert [each["id"] for each in Axe().run(page).response["violations"]] == []
    assert page.evaluate("document.documentElement.scrollWidth") <= viewport["width"]
