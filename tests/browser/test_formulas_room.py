"""The Formulas room as a baker uses it: written, pasted, brought in, changed and brought back."""

import json
import re

import pytest
from hands import choose_file, pick, point_at
from playwright.sync_api import expect
from seeing import sound

from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser


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
    page.get_by_role("button", name="Bring back version 3").click()
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


def test_a_formula_goes_out_as_a_file_and_comes_in_again(visit, tmp_path):
    page = visit("/formulas")
    page.get_by_role("button", name=re.compile("^Tidewater")).click()
    with page.expect_download() as caught:
        page.get_by_role("link", name="Recipe, schema.org").click()
    file = tmp_path / "loaf.jsonld"
    caught.value.save_as(file)
    assert json.loads(file.read_text(encoding="utf-8"))["@type"] == "Recipe"
    choose_file(page, "Bring in a file", file)
    expect(page.get_by_label("Name", exact=True)).to_have_value("Tidewater country loaf")
    broken = tmp_path / "broken.json"
    broken.write_text('{"name": ')
    choose_file(page, "Bring in a file", broken)
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


def test_grams_move_percents_and_what_is_locked_stays(visit):
    page = visit("/formulas")
    page.get_by_role("button", name="Market morning baguette").click()
    page.get_by_role("button", name="Change it").click()
    page.get_by_label("Salt, grams").fill("14,5")
    expect(page.get_by_label("Salt %", exact=True)).not_to_have_value("2")
    expect(page.get_by_label("Dough in each")).to_have_value("335")
    page.get_by_label("Flour", exact=True).check(force=True)
    page.get_by_label("Flour in all").fill("1000")
    expect(page.get_by_label("Plain white, grams")).to_have_value("620")
    page.get_by_label("Water %", exact=True).fill("72")
    expect(page.get_by_label("Water, grams")).to_have_value("720")
    page.get_by_label("Rest of a bag").check(force=True)
    page.get_by_label("Left in the bag").fill("310")
    expect(page.get_by_label("Plain white, grams")).to_have_value("310")
    expect(page.get_by_label("Strong white, grams")).to_have_value("190")


def rested(page, field) -> float:
    """What a field shows once it stays so."""
    shown = ""
    while shown != field.input_value():
        shown = field.input_value()
        page.wait_for_timeout(700)
    return float(shown)


def test_the_bar_is_dragged_and_moved_by_keys(visit):
    page = visit("/formulas")
    page.get_by_role("button", name="Change it").click()
    edge = page.get_by_role("slider", name=re.compile("^Water: share"))
    water = page.get_by_label("Water %", exact=True)
    before = float(water.input_value())
    box = edge.bounding_box()
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + 30)
    page.mouse.down()
    page.mouse.move(box["x"] - 30, box["y"] + 30, steps=6)
    page.mouse.up()
    expect(water).not_to_have_value(str(before))
    dragged = rested(page, water)
    assert 45 < dragged < before - 3
    edge.focus()
    page.keyboard.press("ArrowRight")
    expect(water).not_to_have_value(f"{dragged:g}")
    assert dragged < rested(page, water) < before


def test_a_second_preferment_a_soaker_and_another_yeast(visit):
    page = visit("/formulas")
    page.get_by_role("button", name=re.compile("^Lamplighter's tin loaf \\d")).click()
    page.get_by_role("button", name="Change it").click()
    pick(page, "Kind of yeast", "Fresh yeast")
    expect(page.get_by_label("Yeast %")).to_have_value("2.18")
    page.get_by_role("button", name="Poolish").click()
    page.get_by_role("button", name="Levain", exact=True).click()
    block = page.get_by_role("group", name="Levain")
    block.get_by_label("Of all flour").fill("8")
    expect(block.get_by_label("All of it")).not_to_have_value("0")
    page.get_by_role("button", name="Scald, boiling water").click()
    expect(page.locator("caption", has_text="Cracked grain, boiling water")).to_be_visible()
    page.get_by_role("button", name="Save the formula").click()
    expect(page.locator("caption")).to_have_text(["Poolish", "Levain", "Cracked grain, boiling water", "Final dough"])
    expect(page.get_by_role("button", name="Change it")).to_be_visible()
    page.wait_for_load_state("networkidle")
    figure = page.locator("td[data-counts=mixed]").first
    point_at(figure, "not counted")


def test_yeast_for_sweet_doughs_and_yeast_that_was_woken_are_kept(visit):
    page = visit("/formulas")
    page.get_by_role("button", name=re.compile("^Lamplighter's tin loaf \\d")).click()
    page.get_by_role("button", name="Change it").click()
    pick(page, "Kind of yeast", "Yeast for sweet doughs")
    page.get_by_text("Yeast woken in warm, sweet water first").click()
    page.get_by_role("button", name="Save the formula").click()
    expect(page.get_by_text("Yeast for sweet doughs").first).to_be_visible()
    page.get_by_role("button", name="Change it").click()
    expect(page.get_by_label("Yeast woken in warm, sweet water first")).to_be_checked()


def test_two_versions_are_named_and_stand_side_by_side(visit):
    page = visit("/formulas")
    page.get_by_role("button", name=re.compile("^Tidewater")).click()
    page.get_by_role("button", name="Name version 1").click()
    page.get_by_role("textbox", name="Name version 1").fill("from the notebook")
    page.get_by_role("button", name="Keep the name").click()
    page.get_by_role("button", name="Compare two").click()
    pick(page, "Before", "Version 1, from the notebook")
    row = page.get_by_role("row", name=re.compile("≠ Fine rye"))
    expect(row).to_contain_text("6 %")
    expect(page.get_by_role("row", name=re.compile("From the bowl"))).to_have_count(0)
    page.get_by_label("Show what is alike too").check()
    expect(page.get_by_role("row", name=re.compile("From the bowl"))).to_be_visible()


def test_several_formulas_make_one_sum_and_one_levain(visit):
    page = visit("/formulas")
    page.get_by_role("button", name="Several on one day").click()
    for box in page.get_by_role("checkbox").all():
        box.uncheck()
    expect(page.get_by_text("Tick the formulas of the day.")).to_be_visible()
    page.get_by_label("Lamplighter's tin loaf", exact=True).check()
    page.get_by_label("Pieces: Lamplighter's tin loaf").fill("12")
    expect(page.get_by_text("12 pieces")).to_be_visible()
    flour = page.get_by_role("row", name=re.compile("^Strong white"))
    expect(flour).to_be_visible()
    alone = flour.inner_text()
    page.get_by_label("Tidewater country loaf", exact=True).check()
    expect(flour).not_to_have_text(alone)
    expect(page.get_by_text("into Tidewater country loaf")).to_be_visible()


def test_a_flour_of_ones_own_is_kept_and_used(visit):
    page = visit("/formulas")
    page.get_by_role("button", name="My flours and prices").click()
    page.get_by_role("button", name="Add a flour").click()
    page.get_by_label("Name", exact=True).last.fill("Grey hill strong")
    page.get_by_label("Protein").last.fill("99")
    page.get_by_role("button", name="Save flours and prices").click()
    expect(page.get_by_role("alert")).to_contain_text("Protein of Grey hill strong")
    page.get_by_label("Protein").last.fill("14,5")
    page.get_by_role("button", name="Save flours and prices").click()
    expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()
    page.get_by_role("button", name=re.compile("^Lamplighter's tin loaf \\d")).click()
    page.get_by_role("button", name="Change it").click()
    pick(page, "Flours 1", "Grey hill strong")
    expect(
        page.get_by_role("cell", name="Grey hill strong").or_(page.locator("th", has_text="Grey hill")).first
    ).to_be_visible()
    page.get_by_role("button", name="Save the formula").click()
    expect(page.get_by_text("grey hill strong [gluten (wheat)]")).to_be_visible()


def test_a_wrong_turn_does_not_lose_what_was_being_written(visit):
    page = visit("/formulas")
    page.get_by_role("button", name=re.compile("^Night ferry")).click()
    page.get_by_role("button", name="Change it").click()
    page.get_by_role("table").last.wait_for()
    page.get_by_role("button", name=re.compile("^Saltmarsh")).click()
    expect(page.get_by_text("are not saved")).to_have_count(0)
    page.get_by_role("button", name=re.compile("^Night ferry")).click()
    page.get_by_role("button", name="Change it").click()
    page.get_by_label("Salt %", exact=True).fill("2,3")
    page.wait_for_timeout(200)
    page.get_by_role("button", name=re.compile("^Saltmarsh")).click()
    expect(page.get_by_text("Changes to Night ferry rye are not saved.")).to_be_visible()
    page.reload()
    page.get_by_role("button", name="Go on with them").click()
    expect(page.get_by_label("Salt %", exact=True)).to_have_value("2.3")
    page.get_by_role("button", name="Leave it").click()
    expect(page.get_by_text("are not saved")).to_have_count(0)


def test_going_on_before_the_formulas_have_come_waits_for_them(visit):
    page = visit("/plan")
    page.evaluate(
        """async () => {
            const one = await (await fetch('/api/formulas/tidewater-country')).json()
            const body = { ...one.formula, name: 'Halyard rye' }
            localStorage.setItem('gentle-crust.formula', JSON.stringify({ id: 'x', body }))
        }"""
    )
    held = []
    page.route("**/api/ingredients", lambda route: held.append(route))
    page.evaluate("location.assign('/formulas')")
    page.get_by_role("button", name="Go on with them").click()
    expect(page.get_by_text("are not saved")).to_have_count(0)
    assert held
    for each in held:
        each.continue_()
    expect(page.get_by_label("Salt %", exact=True)).to_be_visible()


def test_a_lock_that_cannot_be_kept_is_said_and_nothing_is_lost(visit):
    page = visit("/formulas")
    page.get_by_role("button", name=re.compile("^Night ferry")).click()
    page.get_by_role("button", name="Change it").click()
    page.get_by_label("Tin", exact=True).check(force=True)
    expect(page.get_by_text(re.compile("In each 912"))).to_be_visible()
    page.get_by_label("The tin holds").fill("12")
    expect(page.get_by_role("alert")).to_contain_text("The tin's volume")
    expect(page.get_by_role("button", name="Save the formula")).to_be_disabled()
    expect(page.get_by_label("Salt %", exact=True)).to_have_value("1.95")
    page.get_by_label("The tin holds").fill("1200")
    expect(page.get_by_text(re.compile("In each 576"))).to_be_visible()
    expect(page.get_by_role("alert")).to_have_count(0)


def test_an_emptied_field_keeps_what_it_was_and_letters_are_left_standing(visit):
    page = visit("/formulas")
    page.get_by_role("button", name=re.compile("^Saltmarsh")).click()
    page.get_by_role("button", name="Change it").click()
    salt = page.get_by_label("Salt %", exact=True)
    before = salt.input_value()
    salt.fill("")
    salt.blur()
    expect(salt).to_have_value(before)
    salt.fill("2,x")
    expect(salt).to_have_value("2,x")
    salt.blur()
    expect(salt).to_have_value(before)


@pytest.mark.parametrize("button", ["Change it", "Paste a recipe", "Several on one day", "My flours and prices"])
def test_nothing_for_axe_to_find(visit, button):
    page = visit("/formulas", reduced_motion="reduce")
    page.get_by_role("button", name=button).click()
    page.wait_for_load_state("networkidle")
    for viewport in (DESK, PHONE):
        page.set_viewport_size(viewport)
        sound(page)
        assert page.evaluate("document.documentElement.scrollWidth") <= viewport["width"]


def test_rounds_by_their_diameter_tins_by_their_sides_pieces_by_dough_and_weight(visit):
    page = visit("/formulas")
    page.get_by_role("button", name=re.compile("^Lamplighter")).first.click()
    page.get_by_role("button", name="Change it").click()
    lock = page.locator(".lock")
    lock.get_by_role("radio", name="Tin").check()
    pick(page, "Measured", "in inches")
    for label, value in (("Length", "9"), ("Width", "5"), ("Height", "3")):
        lock.get_by_label(label, exact=True).fill(value)
        lock.get_by_label(label, exact=True).press("Tab")
    # 9 x 5 x 3 in, its walls sloping: 2.08 litres, half as much dough in grams.
    expect(lock).to_contain_text("It holds about 2080 ml.")
    expect(lock.locator(".each")).to_contain_text("998\u00a0g")
    lock.get_by_role("radio", name="Dough and weight of a piece").check()
    lock.get_by_label("Dough in all").fill("2000")
    lock.get_by_label("Dough in all").press("Tab")
    expect(lock.locator(".each")).to_have_text(re.compile(r"Pieces\s*2$"))
    expect(lock.get_by_role("radio", name="Diameter")).to_have_count(0)
