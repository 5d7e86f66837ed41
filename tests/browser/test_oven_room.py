"""The Oven room, driven as a baker would."""

import re

import pytest
from hands import pick, tick
from playwright.sync_api import expect
from seeing import sound

from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser


@pytest.fixture
def oven(visit):
    page = visit("/oven")
    page.get_by_role("heading", name="Minute by minute").wait_for()
    return page


def minutes(page):
    return int(re.match(r"\d+", page.locator(".big").inner_text())[0])


def test_a_loaf_gets_its_ways_its_bake_and_its_steps(oven):
    expect(oven.get_by_role("button", name=re.compile("^Iron pots .*heated first")).first).to_have_attribute(
        "aria-pressed", "true"
    )
    expect(oven.get_by_text("A round loaf is not baked in a tin.")).to_be_visible()
    assert 40 <= minutes(oven) <= 55
    expect(oven.get_by_role("status").first).to_contain_text(re.compile("Done after .* comes last"))
    steps = oven.get_by_role("list").filter(has_text="Score and load")
    expect(steps).to_contain_text("Oven to 245°C, iron pots inside.")
    expect(steps).to_contain_text("Lift the lid away from you: steam burns.")
    expect(oven.get_by_text("The maker's instructions and local rules come before")).to_have_count(1)
    oven.get_by_role("button", name="I know these cautions").click()
    expect(oven.get_by_text("steam burns")).to_have_count(0)


def test_a_stage_is_dragged_and_put_back(oven):
    before = minutes(oven)
    handle = oven.get_by_role("slider", name="End of Lid off")
    box = handle.bounding_box()
    oven.mouse.move(box["x"] + 5, box["y"] + 15)
    oven.mouse.down()
    oven.mouse.move(box["x"] - 160, box["y"] + 15, steps=6)
    oven.mouse.up()
    expect(oven.get_by_text(re.compile("These stages end .* min too soon"))).to_be_visible()
    expect(oven.locator(".big")).to_have_text(re.compile(r"^[23]\d min"))
    oven.get_by_role("button", name="As it was drawn up").click()
    expect(oven.locator(".big")).to_have_text(f"{before} min")


def test_the_keyboard_turns_the_set_point_and_the_figures_follow(oven):
    heat = oven.get_by_role("slider", name="Set point, Lid on")
    heat.focus()
    for _ in range(3):
        oven.keyboard.press("ArrowDown")
    expect(heat).to_have_attribute("aria-valuetext", "230°C")
    expect(oven.get_by_label("°C, lid on")).to_have_value("230")


def test_a_short_soak_is_said(oven):
    oven.get_by_label("min, heating").fill("15")
    oven.keyboard.press("Tab")
    expect(oven.get_by_text(re.compile(r"The vessel is \d+ K below the set point at loading"))).to_be_visible()


def test_ways_stand_side_by_side_with_what_differs(oven):
    tick(oven, "Put beside it", "Hearth stone, loaf misted")
    table = oven.get_by_role("table")
    expect(table).to_contain_text("Hearth stone")
    expect(table.get_by_role("row").filter(has_text="Heating")).to_contain_text("65 min")
    tick(oven, "Put beside it", "Hearth stone, loaf misted")
    expect(table).to_have_count(0)


def test_schools_and_wishes_change_the_bake(oven):
    expect(oven.get_by_role("heading", name="Where bakers disagree")).to_be_visible()
    expect(oven.get_by_text("A handful of ice")).to_be_visible()
    pick(oven, "Wanted", "Soft crust")
    expect(oven.get_by_role("slider", name="Set point, Lid on")).to_have_attribute("aria-valuetext", "230°C")


def test_what_was_wished_comes_first_among_the_ways(oven):
    ways = oven.get_by_role("list").filter(has_text="Iron pots").first.get_by_role("button")
    expect(ways.first).to_contain_text("Iron pots")
    pick(oven, "Wanted", "Little work and mess")
    expect(ways.first).not_to_contain_text("Iron pots")
    pick(oven, "Wanted", "A shine")
    expect(ways.first).to_contain_text("Iron pots")


def test_a_pale_base_and_a_raw_core_get_their_remedy(oven):
    oven.get_by_label("Core", exact=True).fill("88")
    expect(oven.get_by_text("Back in as it was.")).to_be_visible()
    oven.get_by_label("Core", exact=True).fill("97")
    oven.get_by_role("group", name="Base").get_by_role("button", name="pale").click()
    expect(oven.get_by_text("Back in without its tin or pot")).to_be_visible()
    oven.get_by_label("A loaf weighs").fill("780")
    expect(oven.get_by_text("This one lost 11.4 %.")).to_be_visible()
    oven.get_by_label("Core", exact=True).fill("970")
    expect(oven.get_by_role("alert")).to_contain_text("The core")


def test_the_room_is_usable_on_the_phone_and_passes_axe(visit):
    page = visit("/oven", viewport=PHONE)
    page.get_by_role("heading", name="Minute by minute").wait_for()
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
    page.get_by_role("heading", name="Where bakers disagree").wait_for()
    sound(page)


def test_the_kit_is_kept_and_ranked_with(visit):
    page = visit("/oven")
    page.get_by_role("button", name="Ovens and vessels").click()
    page.get_by_label("Soaked towels").check()
    page.get_by_text("Learn the oven").click()
    for index, value in enumerate(("21", "150", "205", "230", "168", "207")):
        page.get_by_label("Reads").nth(index).fill(value)
    page.get_by_role("button", name="Reckon from these").click()
    expect(page.get_by_text(re.compile("cooler than its dial says"))).to_be_visible()
    page.get_by_label("Oven called").fill("Kitchen oven")
    page.get_by_role("button", name="Add an oven").click()
    page.get_by_role("button", name="Bake in this one").click()
    expect(page.get_by_text("Kitchen oven, 55 l")).to_be_visible()
    page.get_by_role("button", name="Bake in this one").click()
    page.get_by_label("Scissors").check()
    page.get_by_label("Lame").uncheck()
    page.get_by_role("button", name="Save ovens and vessels").click()
    page.get_by_role("heading", name="Minute by minute").wait_for()
    expect(page.get_by_text("Snip with scissors.")).to_be_visible()
    page.get_by_role("button", name=re.compile(r"^All \d+ ways")).click()
    expect(page.get_by_text("soaked towels in a tray of water").first).to_be_visible()
    page.reload()
    page.get_by_role("button", name="Ovens and vessels").click()
    expect(page.get_by_label("Hotter than its dial, K")).to_have_value("-12")
    page.get_by_label("Called", exact=True).first.fill("")
    page.get_by_role("button", name="Save ovens and vessels").click()
    expect(page.get_by_role("alert")).to_contain_text("A vessel's name is empty")


def test_a_bake_is_taken_into_a_plan_and_kept_with_its_formula(visit, address):
    page = visit("/oven")
    minutes = page.get_by_label(re.compile("minutes", re.IGNORECASE)).first
    expect(minutes).to_be_visible()
    page.get_by_role("button", name="Keep it with the formula").click()
    expect(page.get_by_text("is baked so from now on")).to_be_visible()
    name = page.get_by_text("is baked so from now on").inner_text().split(" is baked")[0]
    lines = page.request.get(f"{address}/api/formulas").json()["formulas"]
    key = next(each["id"] for each in lines if each["name"] == name)
    method = page.request.get(f"{address}/api/formulas/{key}").json()["formula"]["method"]
    baked = next(each for each in method["stages"] if each["kind"] == "bake")
    page.get_by_role("button", name="Plan it so").click()
    expect(page.locator("button.say", has_text="What")).to_contain_text(name)
    drawn = page.locator(".ribbon").first
    expect(drawn).to_contain_text(f"{round(baked['stages'][0]['setpoint_c'])}°")


def test_a_bake_is_kept_by_name_and_brought_back(oven):
    vessel, first = oven.locator(".middle header strong"), oven.locator(".ways .way").first
    other = oven.locator(".ways .way").filter(has_not_text="Iron pots").first
    name = other.locator("strong").inner_text()
    other.click()
    expect(vessel).to_have_text(name)
    oven.get_by_role("button", name="Keep this bake by name").click()
    oven.get_by_label("Its name").fill("Saturday bake")
    oven.get_by_role("button", name="Keep it", exact=True).click()
    mine = oven.get_by_role("region", name="My bakes")
    expect(mine.get_by_role("status")).to_have_text("Kept: Saturday bake")
    first.click()
    expect(vessel).to_have_text("Iron pots")
    mine.get_by_role("button", name="Saturday bake", exact=True).click()
    expect(vessel).to_have_text(name)
    sound(oven)
    mine.get_by_role("button", name=re.compile("Saturday bake$")).last.click()
    expect(mine.get_by_role("status")).to_contain_text("Put away: Saturday bake")


def test_steam_has_its_amount_and_its_minute(oven):
    pick(oven, "Loaf", "Market morning baguette")
    oven.get_by_role("button", name=re.compile("^All .* ways")).click()
    oven.locator(".ways .way").filter(has_text="boiling water").first.click()
    grams = oven.get_by_label(re.compile("^g, hot iron pan"))
    expect(grams).to_have_value("250")
    steps = oven.get_by_role("list").filter(has_text="Score and load")
    expect(steps).to_contain_text("250 g")
    grams.fill("120")
    oven.keyboard.press("Tab")
    expect(steps).to_contain_text("120 g")
    oven.get_by_label(re.compile("^min from loading, hot iron pan")).fill("3")
    oven.keyboard.press("Tab")
    expect(steps.get_by_role("listitem").filter(has_text="120 g").locator(".at")).to_have_text(re.compile("^[34]$"))
    oven.get_by_role("button", name="As it was drawn up").click()
    expect(steps).to_contain_text("250 g")


def test_the_pot_is_warmed_on_the_hob_and_what_hands_do_is_drawn(oven):
    pick(oven, "Hot when it is loaded", "base, on the hob")
    steps = oven.locator(".steps")
    expect(steps).to_contain_text("Warm the pot on the hob")
    expect(steps).to_contain_text("Low flame, never left alone")
    drawing = oven.locator(".frame svg")
    expect(drawing).to_contain_text("Warm the pot on the hob")
    expect(drawing).to_contain_text("Lid off")
    pick(oven, "Hot when it is loaded", "nothing: cold start")
    expect(steps).not_to_contain_text("hob")
    expect(oven.get_by_role("spinbutton", name="min, heating")).to_have_value("0")


@pytest.mark.parametrize("size", [DESK, PHONE])
def test_a_dark_loaf_teaches_the_oven_and_is_put_aside_with_a_tap(own, size):
    page = own.open("/oven", size)
    learnt = page.locator(".learnt")
    expect(learnt).to_contain_text("No bake has taught it anything yet")
    big = page.locator(".big")
    before = big.inner_text()
    page.locator(".signs .chip").filter(has_text="very dark").first.click()
    page.locator(".signs").get_by_label("Core").fill("99")
    page.get_by_role("button", name="Teach the oven by it").click()
    expect(learnt).to_contain_text("One bake says that it runs")
    expect(page.get_by_role("button", name="Teach the oven by it")).to_be_disabled()
    expect(learnt.get_by_role("img", name="Colour seen")).to_be_visible()
    expect(big).not_to_have_text(before)
    sound(page)
    learnt.get_by_role("button", name="Put aside").click()
    expect(learnt).to_contain_text("No bake has taught it anything yet")
    expect(big).to_have_text(before)
    learnt.get_by_role("button", name="Count again").click()
    expect(learnt).to_contain_text("One bake says")
    assert page.evaluate("document.documentElement.scrollWidth") <= size["width"]


def test_a_weight_that_no_loaf_has_teaches_nothing_and_says_why(own):
    page = own.open("/oven")
    page.locator(".signs").get_by_label("A loaf weighs").fill("9000")
    expect(page.locator(".signs").get_by_role("alert")).to_be_visible()
    expect(page.get_by_role("button", name="Teach the oven by it")).to_have_count(0)


def test_the_load_is_drawn_from_above_with_what_lies_between_and_how_many_would_fit(own):
    page = own.open("/oven")
    load = page.locator("figure.load")
    expect(load).to_contain_text("at once")
    expect(load.get_by_role("img")).to_have_attribute("aria-label", re.compile("seen from above, the door in front"))
    before = load.locator(".piece").count()
    pieces = page.get_by_label("Pieces")
    pieces.fill("6")
    pieces.press("Tab")
    expect(load).to_contain_text(re.compile(r"\d loads"))
    assert load.locator(".piece").count() >= before


def test_paper_that_bears_more_is_told_for_this_bake_and_the_caution_goes(own):
    page = own.open("/oven")
    caution = page.get_by_text(re.compile("No paper in this bake"))
    expect(caution).to_be_visible()
    page.get_by_label("Mine bears, in this bake").fill("280")
    expect(caution).to_have_count(0)
    expect(page.get_by_text("The paper of this bake bears 280")).to_be_visible()
    page.get_by_role("button", name="Take the usual one").click()
    expect(caution).to_be_visible()


def test_a_grilled_stage_is_darker_and_its_caution_stands_at_it(own):
    page = own.open("/oven")
    page.get_by_role("button", name="One stage more").click()
    facts = page.locator(".facts")
    before = facts.inner_text()
    page.get_by_role("checkbox", name="Grill").last.check(force=True)
    expect(page.get_by_text("Grill on")).to_be_visible()
    expect(page.get_by_text("stay beside it")).to_be_visible()
    expect(facts).not_to_have_text(before)


@pytest.mark.parametrize("size", [DESK, PHONE])
def test_an_afternoon_with_a_wood_fire(own, size):
    """Its owner measures floor and dome once, and sees which bread has its turn when; a fired oven has no dial."""
    body = own.day.client.get("/api/kitchen").json["settings"]
    floor = {"id": "floor", "kind": "oven_floor", "name": "Oven floor", "count": 1}
    oven = {**body["oven"], "kind": "wood", "volume_l": 150, "top_c": 450}
    own.day.client.put("/api/kitchen", json={**body, "oven": oven, "vessels": [*body["vessels"], floor]})
    page = own.open("/oven", size)
    expect(page.get_by_text("The oven as it stands")).to_be_visible()
    expect(page.locator(".falling")).to_have_count(0)
    expect(page.get_by_role("checkbox", name="Fan")).to_have_count(0)
    expect(page.locator(".handle.heat")).to_have_count(0)
    before = page.locator(".facts").inner_text()
    page.get_by_label("Floor", exact=True).fill("320")
    page.get_by_label("Dome").fill("350")
    falling = page.locator(".falling")
    expect(falling.get_by_role("listitem").nth(5)).to_be_visible()
    expect(falling.get_by_role("img")).to_have_attribute("aria-label", re.compile("The floor over the next hours"))
    expect(falling).to_contain_text("Flour is brown")
    expect(page.locator(".facts")).not_to_have_text(before)
    sound(page)
    assert page.evaluate("document.documentElement.scrollWidth") <= size["width"]


def test_a_floor_that_no_oven_has_is_said_and_counts_as_not_measured(own):
    body = own.day.client.get("/api/kitchen").json["settings"]
    own.day.client.put("/api/kitchen", json={**body, "oven": {**body["oven"], "kind": "wood", "volume_l": 150}})
    page = own.open("/oven")
    floor = page.get_by_label("Floor", exact=True)
    page.get_by_label("Dome").fill("350")
    floor.fill("320")
    expect(page.locator(".falling")).to_be_visible()
    floor.fill("3200")
    expect(page.get_by_role("alert").filter(has_text="Between 100°C and 550°C")).to_be_visible()
    expect(page.locator(".falling")).to_have_count(0)
    floor.fill("300")
    expect(page.locator(".falling")).to_be_visible()
    expect(page.get_by_role("alert")).to_have_count(0)
