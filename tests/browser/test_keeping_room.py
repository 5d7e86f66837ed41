"""Keeping the data by hand: a backup out and in, the copies, what cannot be read, two devices, and undo."""

import io
import re
import zipfile

import pytest
from hands import choose_file
from PIL import Image
from playwright.sync_api import expect
from seeing import sound
from sqlalchemy import text

from gentle_crust.store.copies import make_copy
from gentle_crust.store.database import folder_of
from tests.browser.conftest import DESK, PHONE
from tests.conftest import SATURDAY

pytestmark = pytest.mark.browser


def kitchen(own, **changed):
    found = own.day.client.get("/api/kitchen").json["settings"]
    assert own.day.client.put("/api/kitchen", json=found | changed).status_code == 200


def test_a_backup_is_written_and_brought_back_by_hand(own, tmp_path):
    page = own.open("/kitchen")
    with page.expect_download() as download:
        page.get_by_role("link", name="Write a backup").click()
    target = tmp_path / "all.zip"
    download.value.save_as(target)
    with zipfile.ZipFile(target) as packed:
        assert packed.testzip() is None and "manifest.json" in packed.namelist()
    kitchen(own, name="Changed since")
    page.reload()
    expect(page.get_by_label("Name", exact=True).first).to_have_value("Changed since")
    choose_file(page, "Bring a backup back", target)
    sure = page.get_by_role("alertdialog")
    expect(sure).to_contain_text("kept aside")
    sure.get_by_role("button", name="Leave it").click()
    expect(sure).to_have_count(0)
    choose_file(page, "Bring a backup back", target)
    page.get_by_role("button", name="Replace it").click()
    expect(page.get_by_role("status").filter(has_text="in use now")).to_contain_text("set-aside")
    assert own.day.client.get("/api/kitchen").json["settings"]["name"] == "Lantern Street Oven"


def test_what_is_no_backup_is_refused_in_words(own, tmp_path):
    (tmp_path / "odd.zip").write_bytes(b"not a backup")
    page = own.open("/kitchen", viewport=PHONE)
    choose_file(page, "Bring a backup back", tmp_path / "odd.zip")
    page.get_by_role("button", name="Replace it").click()
    expect(page.get_by_role("alert")).to_contain_text("backup")
    assert own.day.client.get("/api/formulas").status_code == 200


@pytest.mark.long
def test_a_copy_of_a_day_is_gone_back_to_after_a_second_thought(own):
    make_copy(folder_of(own.day.sessions), SATURDAY)
    kitchen(own, name="Changed since")
    page = own.open("/kitchen")
    page.get_by_role("button", name="Go back to it: Saturday 28 November").click()
    page.get_by_role("button", name="Replace it").click()
    expect(page.get_by_role("status").filter(has_text="in use now")).to_be_visible()
    assert own.day.client.get("/api/kitchen").json["settings"]["name"] == "Lantern Street Oven"


def test_everything_is_looked_over(own):
    page = own.open("/kitchen")
    page.get_by_role("button", name="Look everything over").click()
    expect(page.get_by_text("Nothing is damaged or missing.")).to_be_visible()
    expect(page.get_by_text("No backup was ever written.")).to_be_visible()


@pytest.mark.long
def test_a_damaged_formula_is_named_saved_put_away_and_brought_back(own):
    with own.day.sessions.begin() as session:
        session.execute(text("UPDATE formula SET body = replace(body, '}', '') WHERE id = 'night-ferry-rye'"))
    page = own.open("/formulas")
    expect(page.get_by_role("button", name="Tidewater country loaf")).to_be_visible()
    page.goto(own.address + "/kitchen")
    row = page.get_by_role("listitem").filter(has_text="Night ferry rye")
    expect(row).to_contain_text("28 November")
    with page.expect_download() as download:
        row.get_by_role("link", name="Save as a file").click()
    assert b"night-ferry-rye" in download.value.path().read_bytes()
    row.get_by_role("button", name="Put away").click()
    expect(row).to_have_count(0)
    page.get_by_role("button", name="Bring it back").click()
    expect(row).to_be_visible()


@pytest.mark.long
@pytest.mark.parametrize("viewport", [DESK, PHONE], ids=["desk", "phone"])
def test_the_second_to_save_chooses_field_by_field(own, viewport):
    page = own.open("/kitchen", viewport=viewport)
    page.get_by_label("Name", exact=True).first.fill("Mine")
    kitchen(own, name="Theirs", fridge_c=3.0)
    page.get_by_role("button", name="Save the kitchen").click()
    dialog = page.get_by_role("dialog")
    expect(dialog).to_contain_text("The kitchen was changed meanwhile")
    expect(dialog.get_by_role("group", name="Name")).to_contain_text("Theirs")
    fridge = dialog.get_by_role("group", name="The fridge")
    expect(fridge.get_by_role("radio", name="Theirs")).to_be_checked()
    expect(fridge).to_contain_text("3°C")
    sound(page)
    assert own.day.client.get("/api/kitchen").json["settings"]["name"] == "Theirs"
    dialog.get_by_role("button", name="Save this").click()
    expect(dialog).to_have_count(0)
    expect(page.get_by_text("Saved", exact=True)).to_be_visible()
    found = own.day.client.get("/api/kitchen").json["settings"]
    assert (found["name"], found["fridge_c"]) == ("Mine", 3.0)


@pytest.mark.long
def test_a_plan_saved_on_two_devices_is_settled_and_had_back(own):
    asked = {"formula_id": "tidewater-country", "pieces": 2}
    key = "5d0a0f5e-0000-4000-8000-0000000000ab"
    own.day.client.put(f"/api/plans/{key}", json=asked)
    page = own.open(f"/plan/{key}")
    page.locator("button.say", has_text="How many").click()
    page.get_by_role("spinbutton", name="Pieces").fill("5")
    page.get_by_role("spinbutton", name="Pieces").press("Tab")
    first = own.day.client.get(f"/api/plans/{key}").json["asked"]
    own.day.client.put(f"/api/plans/{key}", json=first | {"pieces": 3})
    page.get_by_role("button", name="Save the changes").click()
    dialog = page.get_by_role("dialog")
    pieces = dialog.get_by_role("group", name="The number of pieces")
    expect(pieces.get_by_role("radio", name="Mine")).to_be_checked()
    pieces.get_by_text("Theirs").click()
    dialog.get_by_role("button", name="Save this").click()
    expect(page.get_by_role("button", name="Start this bake")).to_be_visible()
    assert own.day.client.get(f"/api/plans/{key}").json["asked"]["pieces"] == 3
    page.get_by_role("button", name="As it was before").click()
    expect(page.locator("button.say", has_text="How many")).to_contain_text("2")
    assert own.day.client.get(f"/api/plans/{key}").json["asked"]["pieces"] == 2


def test_the_last_change_of_kitchen_and_pantry_is_undone(own):
    page = own.open("/kitchen")
    page.get_by_label("Name", exact=True).first.fill("Another name")
    page.get_by_role("button", name="Save the kitchen").click()
    expect(page.get_by_text("Saved", exact=True)).to_be_visible()
    page.get_by_role("button", name="Undo the last change").click()
    expect(page.get_by_label("Name", exact=True).first).to_have_value("Lantern Street Oven")
    assert own.day.client.get("/api/kitchen").json["settings"]["name"] == "Lantern Street Oven"


def test_a_cultures_picture_that_was_taken_away_comes_back(own):
    picture = io.BytesIO()
    Image.new("RGB", (60, 40), (190, 150, 90)).save(picture, "PNG")
    for key, day in (("b", "27"), ("a", "20")):
        own.day.client.put(f"/api/cultures/gull/pictures/{key}?at=2026-11-{day}T08:00", data=picture.getvalue())
    page = own.open("/cultures/gull")
    large, strip = page.locator("img.large"), page.get_by_role("list", name="Its pictures, the oldest first")
    expect(large).to_have_attribute("alt", re.compile("Fri 27|Fri 08"))
    expect(strip.get_by_role("img")).to_have_count(2)
    strip.get_by_role("button").first.click()
    expect(large).to_have_attribute("src", re.compile("/a$"))
    page.get_by_role("button", name="Take this one away").click()
    expect(strip).to_have_count(0)
    expect(large).to_have_attribute("src", re.compile("/b$"))
    page.get_by_role("button", name="Have the last one back").click()
    expect(strip.get_by_role("img")).to_have_count(2)


@pytest.mark.parametrize("viewport", [DESK, PHONE], ids=["desk", "phone"])
def test_nothing_for_axe_to_find_where_data_are_kept(own, viewport):
    make_copy(folder_of(own.day.sessions), SATURDAY)
    with own.day.sessions.begin() as session:
        session.execute(text("UPDATE formula SET body = 'torn' WHERE id = 'night-ferry-rye'"))
    page = own.open("/kitchen", viewport=viewport)
    expect(page.get_by_role("heading", name="What cannot be read")).to_be_visible()
    sound(page)
    wide = page.evaluate("document.documentElement.scrollWidth")
    assert wide <= viewport["width"]


IN_THE_BROWSER = """async () => {
  const open = indexedDB.open('gentle-crust-outbox')
  const db = await new Promise((done) => (open.onsuccess = () => done(open.result)))
  const all = db.transaction('waiting').objectStore('waiting').getAllKeys()
  return new Promise((done) => (all.onsuccess = () => done(all.result)))
}"""


@pytest.mark.parametrize(("status", "stuck"), [(429, False), (403, False), (500, False), (422, True), (413, True)])
def test_a_photo_that_is_refused_is_kept_on_the_device(own, status, stuck):
    own.day.mixed()
    page = own.open("/bench")
    said = '{"detail": "Refused for the test."}'

    def refuse(route):
        route.fulfill(status=status, content_type="application/problem+json", body=said)

    page.route("**/photos/*", refuse)
    picture = io.BytesIO()
    Image.new("RGB", (60, 40), (190, 150, 90)).save(picture, "JPEG")
    chooser = page.locator("input[type=file]").first
    chooser.set_input_files({"name": "a.jpg", "mimeType": "image/jpeg", "buffer": picture.getvalue()})
    expect(page.get_by_text("Refused for the test.").first).to_be_visible()
    assert len(page.evaluate(IN_THE_BROWSER)) == 1
    page.unroute("**/photos/*")
    if stuck:
        expect(page.get_by_text("One thing could not be taken")).to_be_visible()
        page.get_by_role("button", name="Send again").click()
    expect(page.get_by_text("could not be taken")).to_have_count(0)
    for _ in range(60):
        if not page.evaluate(IN_THE_BROWSER):
            break
        page.wait_for_timeout(250)
    assert "bake_photo" in [each["kind"] for each in own.day.dough()["history"]]


def test_a_saved_plan_that_cannot_be_met_is_mended_when_it_is_opened_again(own):
    key = "5d0a0f5e-0000-4000-8000-0000000000ac"
    asked = {"formula_id": "tidewater-country", "ready": "2026-11-28T15:00", "style": "room_steady"}
    assert own.day.client.put(f"/api/plans/{key}", json=asked).json["plan"]["problems"]
    page = own.open(f"/plan/{key}")
    trouble = page.get_by_role("status").filter(has_text="This cannot be met")
    expect(trouble.get_by_role("button").first).to_be_visible()
