"""The Log as a baker uses it: found, entered, set side by side, tried, looked back on, taken out and had back."""

import re

import pytest
from hands import pick
from playwright.sync_api import expect
from seeing import sound

from tests.api.conftest import PLAN, until_cut
from tests.api.test_bakes import baked
from tests.api.test_log import COUNTRY, enter, picture, planned_trial
from tests.api.test_log_files import written_out
from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser


def fits(page, width):
    sound(page)
    assert page.evaluate("document.documentElement.scrollWidth") <= width


@pytest.fixture
def pair(own):
    """Two bakes of one formula in two vessels, each judged, with a photo each."""
    for key, vessel, day, form in (("pot", "pot", 10, "domed"), ("stone", "stone", 17, "flat")):
        enter(own.day, key, f"2026-11-{day}T10:00", f"2026-11-{day}T18:30", vessel_id=vessel)
        own.day.press("bake_loaf", {"form": form, "liked": 4 if key == "pot" else 2, "openness": "open"}, dough=key)
    return own


def test_a_bake_that_is_over_is_entered_in_a_minute_and_opened(own):
    page = own.open("/log")
    page.get_by_role("button", name="Enter a bake").click()
    sheet = page.get_by_role("dialog")
    expect(sheet.get_by_role("heading", name="Enter a bake that is over")).to_be_visible()
    sheet.get_by_label("Mixing began at").fill("10:15")
    sheet.get_by_label("Out at").fill("7:30")
    sheet.get_by_label("Out at").press("Tab")
    sheet.get_by_label("What you want to remember of it").fill("In my aunt's oven.")
    sheet.get_by_role("button", name="Enter it").click()
    expect(sheet.get_by_role("alert")).to_contain_text("Between mixing and oven")
    sheet.get_by_label("Out at").fill("18.45")
    sheet.get_by_role("button", name="Enter it").click()
    expect(page.get_by_role("heading", name="Tidewater country loaf", level=1)).to_be_visible()
    expect(page.get_by_text("Entered afterwards")).to_be_visible()
    expect(page.get_by_role("listitem").filter(has_text="Divide").first).to_contain_text("reckoned")
    expect(page.get_by_text("In my aunt's oven.")).to_be_visible()
    fits(page, DESK["width"])


@pytest.mark.parametrize("size", [DESK, PHONE])
def test_bakes_are_found_by_words_and_by_how_they_were_liked(own, size):
    for n in range(14):
        enter(own.day, f"b{n}", f"2026-11-{n + 2:02d}T10:00", f"2026-11-{n + 2:02d}T18:30", note=f"Day {n} of rain")
    own.day.press("bake_loaf", {"liked": 5, "bite": "gummy"}, dough="b3")
    page = own.open("/log", size)
    lines = page.get_by_role("link", name=re.compile("Tidewater country loaf"))
    expect(lines).to_have_count(14)
    page.get_by_label("Find in names and notes").fill("rain 12")
    expect(lines).to_have_count(1)
    page.get_by_label("Find in names and notes").fill("")
    pick(page, "Liking", "5 of 5 or more")
    expect(lines).to_have_count(1)
    expect(lines).to_contain_text("gummy")
    pick(page, "Season", "June to August")
    expect(page.get_by_role("heading", name="Nothing is like that.")).to_be_visible()
    page.get_by_role("button", name="Show all").click()
    expect(lines).to_have_count(14)
    fits(page, size["width"])


@pytest.mark.parametrize("size", [DESK, PHONE])
def test_two_bakes_are_set_side_by_side_and_kept_as_a_trial(pair, size):
    page = pair.open("/log", size)
    for name in (r"Tuesday 17 November", r"Tuesday 10 November"):
        page.get_by_role("checkbox", name=re.compile(name)).check(force=True)
    page.get_by_role("button", name="Set side by side").click()
    expect(page.get_by_role("heading", name="Side by side", level=1)).to_be_visible()
    expect(page.get_by_text("One thing differs")).to_be_visible()
    row = page.get_by_role("row").filter(has_text="Method, bake")
    expect(row).to_contain_text(re.compile("iron pot.*stone", re.IGNORECASE))
    fits(page, size["width"])
    page.get_by_role("button", name="Keep it as a trial").click()
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("button", name="Keep the trial").click()
    expect(sheet.get_by_role("alert")).to_contain_text("What is to be found out is missing")
    sheet.get_by_label("What do you want to find out?").fill("Pot or stone?")
    sheet.get_by_role("button", name="Keep the trial").click()
    expect(page.get_by_role("heading", name="Pot or stone?", level=1)).to_be_visible()
    page.get_by_label(re.compile("Tuesday 10 November")).check(force=True)
    page.get_by_label("What do you conclude?").fill("The pot, for the ear.")
    page.get_by_role("button", name="Keep the conclusion").click()
    expect(page.get_by_role("heading", name=re.compile("^Better: Tuesday 10"))).to_be_visible()
    expect(page.get_by_text("pure luck").first).to_be_visible()
    fits(page, size["width"])
    page.reload()
    expect(page.get_by_text("The pot, for the ear.")).to_be_visible()
    page.get_by_role("button", name="Take the conclusion back").click()
    expect(page.get_by_label("What do you conclude?")).to_be_visible()


@pytest.mark.long
def test_a_blind_trial_is_judged_by_its_letters_and_then_told(own):
    planned_trial(own.day, blind=True)
    own.day.press("bake_started", dough="pair")
    until_cut(own.day, "pair")
    page = own.open("/log/trials/t1")
    expect(page.get_by_text("Blind until it is judged.").first).to_be_visible()
    headings = page.get_by_role("list").get_by_role("heading", level=2)
    letters = headings.all_inner_texts()
    assert len(letters) == 2 and all(len(each) == 1 and each not in "AB" for each in letters)
    page.get_by_role("link", name="Judge this loaf").first.click()
    expect(page.get_by_role("dialog")).to_contain_text(letters[0])
    page.get_by_role("button", name="Close", exact=True).click()
    page.go_back()
    page.get_by_label(letters[0], exact=True).check(force=True)
    page.get_by_role("button", name="Keep the conclusion").click()
    expect(page.get_by_role("heading", name=re.compile("^Better: [AB] · "))).to_be_visible()


def test_a_plan_becomes_a_trial_whose_card_tells_how_to_mark_the_pieces(own):
    page = own.open(f"/plan/{PLAN}")
    page.get_by_role("button", name="Try one thing both ways").click()
    sheet = page.get_by_role("dialog")
    expect(sheet.get_by_label("What do you want to find out?")).to_have_value(re.compile(r"\?$"))
    sheet.get_by_label("Judge it blind").check(force=True)
    sheet.get_by_role("button", name="Plan it as a trial").click()
    expect(page.get_by_role("link", name=re.compile("^Trial: "))).to_be_visible()
    kept = own.day.client.get("/api/trials").json["trials"]
    assert len(kept) == 1 and kept[0]["trial"]["blind"]
    page.emulate_media(media="print")
    expect(page.get_by_text("Mark the pieces A, B.")).to_be_visible()
    expect(page.get_by_text("Cut this off.")).to_be_visible()


def test_a_formula_tells_its_story_and_its_best_bake_is_planned_again(pair):
    body = pair.day.client.get(f"/api/formulas/{COUNTRY}").json["formula"]
    pair.day.client.put(f"/api/formulas/{COUNTRY}", json=body | {"hydration_percent": 80})
    page = pair.open(f"/formulas?formula={COUNTRY}")
    page.get_by_role("link", name="What came of it").click()
    expect(page.get_by_role("heading", name="Tidewater country loaf", level=1)).to_be_visible()
    expect(page.get_by_text(re.compile(r"Water: .* → 80")).first).to_be_visible()
    expect(page.get_by_text("Never baked.").first).to_be_visible()
    fits(page, DESK["width"])
    page.get_by_role("button", name="Again like this one").click()
    expect(page.get_by_role("dialog")).to_contain_text("The formula as it was then")
    page.get_by_role("button", name="Plan it so").click()
    expect(page).to_have_url(re.compile("/plan$"))
    expect(page.get_by_text("Made with version")).to_be_visible()


def test_what_is_taken_out_of_the_log_is_had_back(pair):
    page = pair.open("/log/pot")
    page.get_by_role("button", name="Take out of the log").click()
    page.get_by_role("button", name="Take it out").click()
    expect(page.get_by_text("Taken out of the log; it can be had back for 30 days")).to_be_visible()
    page.get_by_role("link", name="The log").click()
    expect(page.get_by_role("link", name=re.compile("Tidewater country loaf"))).to_have_count(1)
    page.get_by_role("button", name="Out, in and taken out").click()
    page.get_by_role("button", name="Bring back").click()
    expect(page.get_by_role("link", name=re.compile("Tidewater country loaf"))).to_have_count(2)


def test_a_log_is_brought_in_and_what_is_none_is_said_to_be_none(pair, tmp_path):
    (tmp_path / "log.zip").write_bytes(written_out(pair.day))
    (tmp_path / "none.zip").write_bytes(b"nothing")
    page = pair.open("/log")
    page.get_by_role("button", name="Out, in and taken out").click()
    page.locator("input[type=file]").set_input_files(tmp_path / "none.zip")
    expect(page.get_by_role("alert")).to_contain_text("no log that can be read")
    page.locator("input[type=file]").set_input_files(tmp_path / "log.zip")
    expect(page.get_by_text("No new bakes brought in; 2 were here already.")).to_be_visible()
    with page.expect_download() as taken:
        page.get_by_role("link", name="Write the log out").click()
    assert taken.value.suggested_filename.startswith("log-")


def test_figures_over_time_lead_to_their_bake_and_say_how_right_it_has_been(pair):
    page = pair.open("/log/time")
    expect(page.get_by_role("heading", name="How right has it been?")).to_be_visible()
    expect(page.get_by_text("Nothing to tell yet")).to_be_visible()
    dots = page.get_by_role("list", name="Bulk").get_by_role("listitem")
    expect(dots).to_have_count(2)
    fits(page, DESK["width"])
    dots.first.click()
    expect(page.get_by_role("heading", name="What was done")).to_be_visible()


def test_a_photo_as_a_phone_takes_it_is_added_to_a_record(pair, request):
    page = pair.open("/log/pot", PHONE)
    page.locator("input[type=file]").set_input_files(request.config.rootpath / "tests" / "data" / "slice.heic")
    expect(page.get_by_role("img", name=re.compile("^Photo"))).to_be_visible()
    fits(page, PHONE["width"])


@pytest.mark.long
def test_every_page_of_the_log_says_what_is_missing_when_there_is_nothing(own):
    for path, says in (
        ("/log/time", "Nothing to draw yet"), ("/log/trials", "No trial yet."), ("/log/compare", "Choose two to six"),
        ("/log/trials/never", "That trial is not here"), ("/log/formula/never", "not here"),
    ):  # fmt: skip
        page = own.open(path)
        expect(page.get_by_text(says).first).to_be_visible()
        fits(page, DESK["width"])


@pytest.mark.parametrize("size", [DESK, PHONE])
def test_a_time_that_was_reckoned_is_put_right_in_the_record(pair, size):
    page = pair.open("/log/pot", size)
    step = page.get_by_role("listitem").filter(has_text="Divide").first
    expect(step).to_contain_text("reckoned")
    step.get_by_role("button", name=re.compile("Divide")).click()
    was = step.get_by_role("textbox").input_value()
    step.get_by_role("textbox").press("ArrowDown")
    now = step.get_by_role("textbox").input_value()
    assert now != was
    fits(page, size["width"])
    step.locator("form").get_by_role("button").last.click()
    expect(step).to_contain_text(now)
    expect(step).not_to_contain_text("reckoned")


def test_a_formulas_story_leads_to_that_formula(own):
    page = own.open("/log/formula/lamplighters-tin")
    page.get_by_role("link", name="Open the formula").click()
    expect(page.get_by_role("heading", name="Lamplighter's tin loaf")).to_be_visible()


@pytest.mark.long
def test_a_record_of_a_blind_trial_does_not_lead_to_what_would_tell(own):
    planned_trial(own.day, blind=True)
    own.day.press("bake_started", dough="pair")
    until_cut(own.day, "pair")
    page = own.open("/log/pair")
    expect(page.get_by_role("heading", name="What was done")).to_be_visible()
    expect(page.get_by_role("link", name="Set its parts side by side")).to_have_count(0)
    own.day.client.put("/api/trials/t1/conclusion", json={"better": -1})
    page.reload()
    page.get_by_role("link", name="Set its parts side by side").click()
    expect(page.get_by_text("One thing differs")).to_be_visible()


def test_no_two_things_of_a_record_with_its_sheet_open_go_by_one_id(own):
    baked(own.day)
    page = own.open(f"/log/{PLAN}?loaf")
    page.get_by_text("Weighed and measured").click()
    expect(page.get_by_label("Out of the oven", exact=True)).to_be_visible()
    twice = """() => { const ids = [...document.querySelectorAll('[id]')].map((each) => each.id)
                       return ids.filter((id, place) => ids.indexOf(id) !== place) }"""
    assert page.evaluate(twice) == []


def test_the_old_address_of_a_record_leads_to_it(own):
    baked(own.day)
    page = own.open(f"/bakes/{PLAN}")
    expect(page).to_have_url(re.compile(f"/log/{PLAN}$"))


@pytest.mark.parametrize("size", [DESK, PHONE])
def test_photos_stand_at_one_scale_once_a_width_is_marked_in_both(pair, size):
    """The loaf that fills a quarter of its photo is drawn as wide as the one, as wide in truth, that fills half."""
    for key in ("pot", "stone"):
        pair.day.client.put(f"/api/bench/{key}/photos/{key}-photo?part=", data=picture())
    page = pair.open("/log/compare?of=pot,stone", size)
    expect(page.get_by_text("With a width marked in both")).to_be_visible()
    expect(page.get_by_role("slider", name="Size of the right one")).to_be_visible()
    for index, share in enumerate((0.5, 0.25)):
        page.get_by_role("button", name="Mark a width in it").first.click()
        sheet = page.get_by_role("dialog")
        box = sheet.get_by_role("img").bounding_box()
        for name, x in (("First end", 0.5 - share / 2), ("Second end", 0.5 + share / 2)):
            end = sheet.get_by_role("slider", name=name)
            at = end.bounding_box()
            page.mouse.move(at["x"] + at["width"] / 2, at["y"] + at["height"] / 2)
            page.mouse.down()
            page.mouse.move(box["x"] + x * box["width"], box["y"] + box["height"] / 2, steps=3)
            page.mouse.up()
        sheet.get_by_label("From end to end").fill("220")
        sound(page)
        sheet.get_by_role("button", name="Keep it").click()
        expect(sheet).to_have_count(0)
        expect(page.get_by_role("button", name="Move the mark")).to_have_count(index + 1)
    expect(page.get_by_text("Both are at one scale")).to_be_visible()
    expect(page.get_by_role("slider", name="Size of the right one")).to_have_count(0)
    wide = [one.bounding_box()["width"] for one in page.locator(".stage img").all()]
    assert wide[1] / wide[0] == pytest.approx(2, rel=0.03)
    fits(page, size["width"])


def test_the_ends_of_a_mark_are_moved_with_the_keys(pair):
    pair.day.client.put("/api/bench/pot/photos/one?part=", data=picture())
    page = pair.open("/log/compare?of=pot,stone")
    page.get_by_role("button", name="Mark a width in it").first.click()
    sheet = page.get_by_role("dialog")
    end = sheet.get_by_role("slider", name="Second end")
    end.focus()
    for key in ("ArrowRight",) * 10 + ("ArrowUp",) * 4:
        page.keyboard.press(key)
    expect(end).to_have_attribute("aria-valuetext", "80 % across, 48 % down")
    expect(sheet.get_by_role("button", name="Keep it")).to_be_disabled()
    sheet.get_by_label("From end to end").fill("180")
    sheet.get_by_role("button", name="Keep it").click()
    expect(sheet).to_have_count(0)
    page.reload()
    page.get_by_role("button", name="Move the mark").first.click()
    expect(page.get_by_role("dialog").get_by_label("From end to end")).to_have_value("180")
