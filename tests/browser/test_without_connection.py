"""Alive without a connection: a phone that reloads in a dead corner, two tabs, a device that was shown out."""

import io
import json
import os
from datetime import datetime, timedelta
from pathlib import Path
from threading import Thread

import pytest
from live import CHROMIUM, QUIET
from PIL import Image
from playwright.sync_api import expect, sync_playwright
from trusting import trust

from gentle_crust import demo
from gentle_crust.api.app import create_app
from gentle_crust.authority import certificate_text
from gentle_crust.network import OnNetwork
from gentle_crust.store.database import open_store
from tests.api.conftest import PLAN
from tests.conftest import SATURDAY
from tests.network import PASSCODE, on_own_network

pytestmark = pytest.mark.browser


def picture() -> bytes:
    out = io.BytesIO()
    Image.new("RGB", (900, 600), (190, 140, 80)).save(out, "JPEG")
    return out.getvalue()


def controlled(page) -> None:
    """Wait until the worker keeps the page."""
    for _ in range(80):
        if page.evaluate("navigator.serviceWorker?.controller != null"):
            return
        page.wait_for_timeout(250)
    raise AssertionError("no worker keeps the page")


def notes_and_a_photo(page, count: int) -> None:
    """So many notes and one photo, pressed at the bench."""
    for number in range(count):
        page.get_by_role("button", name="Note", exact=True).click()
        page.get_by_label("What do you want to remember?").fill(f"In the corner {number}")
        page.get_by_role("button", name="Write it down").click()
    page.locator("section.next input[type=file]").set_input_files(
        {"name": "dough.jpg", "mimeType": "image/jpeg", "buffer": picture()}
    )
    expect(page.get_by_text(f"{count + 1} kept")).to_be_visible()


def arrived(page, client, dough: str, wanted: list[str]) -> None:
    """Wait until as much has arrived as is wanted; it is that, each once."""
    for _ in range(80):
        if len(told(client, dough)) >= len(wanted):
            break
        page.wait_for_timeout(250)
    page.wait_for_timeout(500)
    assert told(client, dough) == sorted(wanted)


def told(client, dough: str) -> list[str]:
    """Texts of the notes of a dough, and a mark for every photo."""
    events = client.get(f"/api/bench/{dough}/record").json["events"]
    return sorted(each["body"].get("text", "photo") for each in events if each["kind"] in ("bake_note", "bake_photo"))


def test_reloaded_without_a_connection_it_stands_counts_takes_presses_and_sends_each_once(own):
    own.day.mixed()
    page = own.open("/bench", service_workers="allow")
    expect(page.locator("section.next h2")).to_be_visible()
    controlled(page)
    page.reload()
    step = page.locator("section.next h2").inner_text()
    own.contexts[-1].set_offline(True)
    page.reload()
    expect(page.locator("section.next h2")).to_have_text(step)
    expect(page.get_by_text("No connection. This is the bench as it stood")).to_be_visible()
    notes_and_a_photo(page, 10)
    page.reload()
    expect(page.get_by_text("11 kept")).to_be_visible()
    own.contexts[-1].set_offline(False)
    expect(page.get_by_text("No connection")).to_be_hidden(timeout=20_000)
    arrived(page, own.day.client, PLAN, [*(f"In the corner {number}" for number in range(10)), "photo"])


@pytest.mark.long
def test_a_connection_that_neither_answers_nor_fails_is_none(own):
    own.day.mixed()
    page = own.open("/bench", service_workers="allow")
    expect(page.locator("section.next h2")).to_be_visible()
    controlled(page)
    held = []
    page.route("**/api/bench?*", lambda route: held.append(route))
    page.reload()
    expect(page.locator("section.next h2")).to_be_visible()
    assert held
    page.get_by_role("button", name="Note", exact=True).click()
    page.get_by_label("What do you want to remember?").fill("Pressed meanwhile")
    page.get_by_role("button", name="Write it down").click()
    arrived(page, own.day.client, PLAN, ["Pressed meanwhile"])


AN_HOUR_AGO = """async () => {
  const cache = await caches.open('answers')
  const kept = await (await cache.match('/api/kitchen', { ignoreVary: true })).json()
  const headers = { 'Content-Type': 'application/json', 'Kept-At': String(Date.now() - 3600e3) }
  const [key] = (await cache.keys()).filter((each) => each.url.endsWith('/api/kitchen'))
  await cache.put(key, new Response(JSON.stringify({ ...kept, rate: 1 }), { headers }))
  return kept.now
}"""


@pytest.mark.long
def test_a_kept_answer_tells_the_time_that_it_is_by_now(own):
    page = own.open("/bench", service_workers="allow")
    controlled(page)
    page.reload()
    expect(page.locator("main")).to_be_visible()
    page.wait_for_function("caches.match('/api/kitchen', { ignoreVary: true }).then((found) => !!found)")
    then = datetime.fromisoformat(page.evaluate(AN_HOUR_AGO))
    page.context.set_offline(True)
    now = datetime.fromisoformat(page.evaluate("fetch('/api/kitchen').then((kept) => kept.json())")["now"])
    assert now - then >= timedelta(hours=1)


@pytest.mark.long
def test_a_late_answer_to_what_was_asked_before_the_passcode_was_given_asks_for_it_no_second_time(own):
    """Several questions are on their way when the first answer shows the door."""
    own.day.mixed()
    page = own.open("/water")
    held, unknown = [], {"status": 401, "json": {"title": "Passcode", "status": 401, "detail": "Give the passcode."}}
    page.route("**/api/bench?*", lambda route: held.append(route))
    page.route("**/api/next", lambda route: route.fulfill(**unknown))
    page.route("**/api/sign-in", lambda route: route.fulfill(json={}))
    page.goto(own.address + "/bench")
    page.get_by_label("Passcode").fill("whatever it is")
    assert held
    for path in ("**/api/bench?*", "**/api/next"):
        page.unroute(path)
    page.get_by_role("button", name="Come in").click()
    expect(page.locator("section.next h2")).to_be_visible()
    for route in held:
        with page.expect_response("**/api/bench?*"):
            route.fulfill(**unknown)
    with page.expect_response(lambda answer: "/api/bench?" in answer.url and answer.ok):
        pass
    expect(page.get_by_label("Passcode")).to_have_count(0)
    expect(page.locator("section.next h2")).to_be_visible()


def test_every_room_opens_as_it_was_asked_last(own):
    page = own.open("/formulas", service_workers="allow")
    expect(page.get_by_role("heading", name="Tidewater country loaf")).to_be_visible()
    controlled(page)
    page.reload()
    expect(page.get_by_role("heading", name="Tidewater country loaf")).to_be_visible()
    own.contexts[-1].set_offline(True)
    page.reload()
    expect(page.get_by_role("heading", name="Tidewater country loaf")).to_be_visible()


@pytest.mark.long
def test_two_tabs_closed_without_a_connection_lose_nothing(own):
    own.day.mixed()
    first = own.open("/bench", service_workers="allow")
    second = own.contexts[-1].new_page()
    second.goto(own.address + "/bench")
    for page in (first, second):
        expect(page.locator("section.next h2")).to_be_visible()
    own.contexts[-1].set_offline(True)
    for page, text in ((first, "Tab one"), (second, "Tab two")):
        page.get_by_role("button", name="Note", exact=True).click()
        page.get_by_label("What do you want to remember?").fill(text)
        page.get_by_role("button", name="Write it down").click()
        expect(page.get_by_text("kept")).to_be_visible()
    expect(second.get_by_text("2 kept")).to_be_visible()
    first.close()
    second.close()
    own.contexts[-1].set_offline(False)
    third = own.contexts[-1].new_page()
    third.goto(own.address + "/bench")
    expect(third.locator("section.next h2")).to_be_visible()
    expect(third.get_by_text("Tab one").first).to_be_visible(timeout=20_000)
    expect(third.get_by_text("Tab two").first).to_be_visible(timeout=20_000)
    assert told(own.day.client, PLAN) == ["Tab one", "Tab two"]


def test_a_press_taken_back_before_it_was_ever_sent_is_never_sent(own):
    own.day.mixed()
    page = own.open("/bench", service_workers="allow")
    expect(page.locator("section.next h2")).to_be_visible()
    own.contexts[-1].set_offline(True)
    page.get_by_role("button", name="Note", exact=True).click()
    page.get_by_label("What do you want to remember?").fill("Never mind")
    page.get_by_role("button", name="Write it down").click()
    expect(page.get_by_text("1 kept")).to_be_visible()
    page.get_by_role("button", name="Take it back").first.click()
    own.contexts[-1].set_offline(False)
    expect(page.get_by_text("No connection")).to_be_hidden(timeout=20_000)
    page.get_by_role("button", name="Note", exact=True).click()
    page.get_by_label("What do you want to remember?").fill("Sent after it")
    page.get_by_role("button", name="Write it down").click()
    arrived(page, own.day.client, PLAN, ["Sent after it"])


def test_what_is_refused_is_kept_with_its_reason_sent_again_or_let_go(own):
    own.day.mixed()
    page = own.open("/bench", service_workers="allow")
    expect(page.locator("section.next h2")).to_be_visible()
    refuse = json.dumps({"status": 422, "title": "No", "detail": "The note has a bad day.", "errors": []})
    page.route("**/api/bench/presses", lambda route: route.fulfill(status=422, body=refuse,
               content_type="application/problem+json"))  # fmt: skip
    page.get_by_role("button", name="Note", exact=True).click()
    page.get_by_label("What do you want to remember?").fill("Kept all the same")
    page.get_by_role("button", name="Write it down").click()
    stuck = page.get_by_role("alert").filter(has_text="could not be taken")
    expect(stuck).to_contain_text("The note has a bad day.")
    page.reload()
    expect(stuck).to_contain_text("The note has a bad day.")
    page.unroute("**/api/bench/presses")
    stuck.get_by_role("button", name="Send again").click()
    expect(stuck).to_be_hidden()
    expect(page.get_by_text("Kept all the same").first).to_be_visible()
    assert told(own.day.client, PLAN) == ["Kept all the same"]


@pytest.mark.parametrize("status", (429, 500, 503))
def test_what_cannot_be_taken_now_is_sent_again_by_itself(own, status):
    own.day.mixed()
    page = own.open("/bench", service_workers="allow")
    expect(page.locator("section.next h2")).to_be_visible()
    asked = []

    def once(route):
        asked.append(route.request.url)
        if len(asked) > 1:
            return route.continue_()
        said = json.dumps({"status": status, "title": "Later", "detail": "Not now.", "errors": []})
        return route.fulfill(status=status, body=said, content_type="application/problem+json")

    page.route("**/api/bench/presses", once)
    page.get_by_role("button", name="Note", exact=True).click()
    page.get_by_label("What do you want to remember?").fill("Sent in the end")
    page.get_by_role("button", name="Write it down").click()
    expect(page.get_by_text("Sent in the end").first).to_be_visible(timeout=20_000)
    assert len(asked) == 2 and told(own.day.client, PLAN) == ["Sent in the end"]


@pytest.mark.long
def test_too_much_at_once_is_sent_in_parts(own):
    own.day.mixed()
    page = own.open("/bench", service_workers="allow")
    expect(page.locator("section.next h2")).to_be_visible()
    own.contexts[-1].set_offline(True)
    for number in range(5):
        page.get_by_role("button", name="Note", exact=True).click()
        page.get_by_label("What do you want to remember?").fill(f"Part {number}")
        page.get_by_role("button", name="Write it down").click()
    expect(page.get_by_text("5 kept")).to_be_visible()

    def most_two(route):
        if len(route.request.post_data_json["presses"]) <= 2:
            return route.continue_()
        said = json.dumps({"status": 413, "title": "Too large", "detail": "Too much.", "errors": []})
        return route.fulfill(status=413, body=said, content_type="application/problem+json")

    page.route("**/api/bench/presses", most_two)
    own.contexts[-1].set_offline(False)
    arrived(page, own.day.client, PLAN, [f"Part {number}" for number in range(5)])


# -- on the network ------------------------------------------------------------------------------------------


def phone_session(scratch: Path, own: str) -> None:
    """A phone signs in over the network, trusts the kitchen, loses the connection, reloads, presses, comes back."""
    folder = scratch / "data"
    sessions = open_store(folder)
    demo.fill(sessions, lambda: SATURDAY)
    app = create_app(sessions, lambda: SATURDAY, own, PASSCODE)
    network = OnNetwork(app, folder, own, 0, (own,))
    address = network.address
    Thread(target=network.run, daemon=True).start()
    here = create_app(sessions, lambda: SATURDAY).test_client()
    body = {"event": "m1", "formula_id": "tidewater-country", "mixed_at": SATURDAY.isoformat()}
    assert here.post("/api/bench/mixed/dough", json=body).status_code == 200
    home = scratch / "home"
    home.mkdir()
    (home / "authority.crt").write_bytes(certificate_text(network.secured.authority.certificate))
    with sync_playwright() as playwright:
        environment = {**os.environ, "HOME": str(home)}
        stranger = playwright.chromium.launch(executable_path=CHROMIUM, args=QUIET, env=environment)
        warned = stranger.new_context(ignore_https_errors=True).new_page()
        warned.goto(f"{address}trust")
        expect(warned.get_by_role("link", name="Fetch the certificate")).to_be_visible()
        assert warned.evaluate("navigator.serviceWorker?.controller ?? null") is None
        stranger.close()
        trust(home / "authority.crt", home)
        phone = playwright.chromium.launch(executable_path=CHROMIUM, args=QUIET, env=environment)
        context = phone.new_context(viewport={"width": 390, "height": 844})
        page = context.new_page()
        page.goto(f"{address}bench")
        page.get_by_label("Passcode").fill(PASSCODE)
        page.get_by_role("button", name="Come in").click()
        expect(page.locator("section.next h2")).to_be_visible(timeout=20_000)
        controlled(page)
        page.reload()
        expect(page.locator("section.next h2")).to_be_visible(timeout=20_000)
        context.set_offline(True)
        page.reload()
        expect(page.locator("section.next h2")).to_be_visible(timeout=20_000)
        notes_and_a_photo(page, 10)
        here.delete(f"/api/devices/{here.get('/api/devices').json['devices'][0]['id']}")
        context.set_offline(False)
        expect(page.get_by_label("Passcode")).to_be_visible(timeout=30_000)
        assert told(here, "dough") == [], "a device that was shown out sends nothing, and loses nothing"
        page.get_by_label("Passcode").fill(PASSCODE)
        page.get_by_role("button", name="Come in").click()
        expect(page.locator("section.next h2")).to_be_visible(timeout=20_000)
        arrived(page, here, "dough", [*(f"In the corner {number}" for number in range(10)), "photo"])
        phone.close()


@pytest.mark.long
def test_a_phone_on_the_network_that_trusts_the_kitchen(tmp_path):
    on_own_network(f"{__name__}:phone_session", tmp_path)
