"""On a slow line: the newest question wins, actions wait for its answer, and nothing typed meanwhile is lost."""

import json
import re
import time
from contextlib import contextmanager
from datetime import UTC, datetime
from functools import partial

import pytest
from playwright.sync_api import expect

from gentle_crust.api.app import create_app
from gentle_crust.kitchen.now import Clock
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work
from tests.api.conftest import PLAN, Day
from tests.browser.conftest import Own
from tests.conftest import SATURDAY

pytestmark = pytest.mark.browser


class Slow(Own):
    """A kitchen whose answers come late; every question that reached it is kept."""

    wait_s, paths = 0.0, ()

    def __init__(self, day, address, context) -> None:
        super().__init__(day, address, context)
        self.asked = []

    def late(self, inner, environ, start):
        path = environ["PATH_INFO"]
        if environ["REQUEST_METHOD"] != "GET" and path.startswith("/api/"):
            self.asked.append((environ["REQUEST_METHOD"], path))
            if any(part in path for part in self.paths):
                time.sleep(self.wait_s)
        return inner(environ, start)

    def slow(self, *paths, wait_s=2.0):
        self.paths, self.wait_s = paths, wait_s
        self.asked.clear()

    def questions(self, part):
        return [path for _, path in self.asked if part in path]

    def json(self, path):
        return self.day.client.get(path).json


@contextmanager
def slowed(pages, sessions, now=None):
    """Such a kitchen, whose clock is its day's, or ``now``."""
    day = Day(sessions)
    app = create_app(sessions, now or (lambda: day.now))
    with pages.served(app) as address, pages.contexts() as context:
        found = Slow(day, address, context)
        app.wsgi_app = partial(found.late, app.wsgi_app)
        yield found


@pytest.fixture
def slow(pages, sessions):
    with slowed(pages, sessions) as found:
        yield found


@pytest.fixture
def ticking(pages, sessions):
    """The same with a clock that goes on."""
    with slowed(pages, sessions, Clock(SATURDAY, 1.0, time.monotonic())) as found:
        yield found


@pytest.mark.long
def test_a_ticking_clock_asks_nothing_and_weighing_waits_for_the_newest_answer(ticking):
    page = ticking.open("/cultures/gull?desk=feed")
    if not page.get_by_label("I need").count():
        page.get_by_role("button", name="Feed", exact=True).click()
    expect(page.get_by_role("button", name="Weigh it so")).to_be_visible()
    ticking.slow("/feed")
    page.get_by_label("I need").fill("400")
    page.get_by_role("button", name="Weigh it so").click()
    expect(page.get_by_label("Flour", exact=True)).to_have_value(re.compile(r"^(19|2[01])\d$"))
    page.wait_for_timeout(2500)
    assert len(ticking.questions("/feed")) == 1, "one question, one answer: a second that passes is no new question"


@pytest.mark.long
def test_an_older_answer_never_stands_for_what_the_fields_say(slow):
    page = slow.open("/cultures/gull")
    page.get_by_role("button", name="Feed", exact=True).click()
    expect(page.locator(".over")).to_be_visible()
    slow.slow("/feed", wait_s=1.0)
    for grams in ("100", "250", "400"):
        page.get_by_label("I need").fill(grams)
        page.wait_for_timeout(400)
    expect(page.locator(".chosen")).to_have_class(re.compile("awaited"))
    expect(page.locator(".chosen")).not_to_have_class(re.compile("awaited"))
    expect(page.locator(".step").last).to_contain_text(re.compile(r"(19|2[01])\d\sg flour"))
    assert len(slow.questions("/feed")) <= 3


def open_line(page, name):
    page.locator("button.say", has_text=name).click()


def test_pieces_changed_while_a_plan_is_being_saved_stay_and_are_not_saved(slow):
    page = slow.open("/plan?formula=night-ferry-rye")
    open_line(page, "How many")
    expect(page.get_by_role("button", name="Save this plan")).to_be_enabled()
    slow.slow("/api/plans/")
    page.get_by_role("button", name="Save this plan").click()
    page.get_by_role("spinbutton", name="Pieces").fill("5")
    page.get_by_role("spinbutton", name="Pieces").press("Tab")
    expect(page.get_by_role("button", name="Save the changes")).to_be_enabled()
    expect(page.get_by_role("spinbutton", name="Pieces")).to_have_value("5")
    (saved,) = [line for line in slow.json("/api/plans")["plans"] if line["id"] != PLAN]
    assert saved["pieces"] != 5
    page.get_by_role("button", name="Save the changes").click()
    expect(page.get_by_role("button", name="Start this bake")).to_be_visible()
    (saved,) = [line for line in slow.json("/api/plans")["plans"] if line["id"] != PLAN]
    assert saved["pieces"] == 5


@pytest.mark.long
def test_whoever_leaves_while_a_plan_is_being_saved_is_not_called_back(slow):
    page = slow.open("/plan?formula=night-ferry-rye")
    expect(page.get_by_role("button", name="Save this plan")).to_be_enabled()
    slow.slow("/api/plans/")
    with page.expect_response(lambda answer: answer.request.method == "PUT" and "/api/plans/" in answer.url):
        page.get_by_role("button", name="Save this plan").click()
        page.get_by_role("navigation", name="Rooms").get_by_role("link", name="Water").click()
        expect(page.get_by_role("heading", level=1, name="Water")).to_be_visible()
    page.wait_for_load_state("networkidle")
    expect(page).to_have_url(re.compile("/water$"))
    assert len(slow.json("/api/plans")["plans"]) == 2, "it is saved all the same"


def test_a_way_is_taken_for_the_wish_that_stands_there_now(slow):
    page = slow.open("/plan?formula=tidewater-country")
    way = page.get_by_role("button", name=re.compile("Warm and quick"))
    expect(way).to_be_visible()
    open_line(page, "Wanted")
    slow.slow("/plan/ways", "/api/plan", wait_s=0.8)
    page.get_by_label("Time", exact=True).fill("18:00")
    page.get_by_label("Time", exact=True).press("Tab")
    way.click()
    expect(page.locator("button.say", has_text="Wanted")).to_contain_text("18:00")
    page.wait_for_timeout(2500)
    expect(page.locator("button.say", has_text="Wanted")).to_contain_text("18:00")


@pytest.mark.long
def test_three_lines_changed_by_grams_at_once_all_count_and_save_waits_for_them(slow):
    page = slow.open("/formulas")
    page.get_by_role("button", name=re.compile("^Tidewater")).click()
    page.get_by_role("button", name="Change it").click()
    expect(page.get_by_label("Water, grams", exact=True)).to_be_visible()
    slow.slow("/formulas/work", wait_s=0.7)
    wanted = {"Whole wheat, grams": "300", "Fine rye, grams": "80", "Salt, grams": "25"}
    for name, grams in wanted.items():
        page.get_by_label(name, exact=True).fill(grams)
        page.get_by_label(name, exact=True).press("Tab")
    page.get_by_role("button", name="Save the formula").click()
    expect(page.get_by_role("button", name="Change it")).to_be_visible(timeout=20_000)
    formula = slow.json("/api/formulas/tidewater-country")
    grams = {total["name"]: total["g"] for total in formula["totals"]}
    flour = sum(share["percent"] for share in formula["formula"]["flours"])
    assert flour == pytest.approx(100, abs=0.01)
    assert grams["Salt"] == pytest.approx(25, abs=0.6), grams
    whole = next(value for name, value in grams.items() if "wholemeal" in name.lower() or "whole wheat" in name.lower())
    assert whole == pytest.approx(300, abs=15), "rye, set after it, takes its share of all flours"


def test_jugs_are_copied_as_they_are_for_the_sliders_now(slow):
    page = slow.open("/water?formula=tidewater-country")
    expect(page.get_by_role("button", name="Begin from the jugs above")).to_be_visible()
    slow.slow("/api/water", wait_s=1.0)
    slider = page.get_by_role("slider", name="Cold tap", exact=True)
    slider.focus()
    for _ in range(6):
        slider.press("ArrowRight")
    page.get_by_role("button", name="Begin from the jugs above").click()
    expect(page.get_by_label("Water 1", exact=True)).to_be_visible()
    slow.slow()
    jugs = [int(text) for text in re.findall(r"(\d+)\sg", " ".join(page.locator("figcaption").all_inner_texts()))]
    assert int(page.get_by_label("Water 1", exact=True).input_value()) in jugs


def test_a_recipe_is_taken_as_it_reads_now(slow):
    page = slow.open("/formulas")
    page.get_by_role("button", name="Paste a recipe").click()
    page.get_by_label("The recipe").fill("500 g bread flour\n350 g water\n10 g salt\n100 g sourdough starter")
    expect(page.get_by_role("button", name="Make it a formula")).to_be_enabled()
    slow.slow("/recipe/read", wait_s=1.0)
    page.get_by_label("The recipe").fill("500 g bread flour\n400 g water\n10 g salt\n100 g sourdough starter")
    page.get_by_role("button", name="Make it a formula").click()
    expect(page.get_by_label("Water %", exact=True)).to_be_visible()
    assert float(page.get_by_label("Water %", exact=True).input_value().replace(",", ".")) == pytest.approx(
        81.8, abs=0.3
    )


@pytest.mark.parametrize(
    ("page_name", "path", "field"),
    [("A preferment with yeast", "/api/preferments", "I need"), ("A rye sour in stages", "/api/sour", "I need")],
)
def test_desks_ask_once_for_what_was_typed(slow, page_name, path, field):
    page = slow.open("/cultures")
    with page.expect_response(lambda answer: path in answer.url and answer.request.method == "POST"):
        page.get_by_role("link", name=page_name).or_(page.get_by_role("button", name=page_name)).first.click()
    expect(page.get_by_label(field)).to_be_visible()
    page.wait_for_load_state("networkidle")
    slow.slow(path, wait_s=1.0)
    page.get_by_label(field).fill("900")
    page.get_by_label(field).press("Tab")
    page.wait_for_timeout(2600)
    assert len(slow.questions(path)) == 1
    expect(page.locator(".awaited")).to_have_count(0)


def test_what_is_typed_while_the_kitchen_is_saved_stays_and_is_not_said_to_be_saved(slow):
    page = slow.open("/kitchen")
    slow.slow("/api/kitchen", wait_s=1.5)
    page.get_by_label("Name", exact=True).first.fill("First")
    page.get_by_role("button", name="Save the kitchen").click()
    page.get_by_label("Name", exact=True).first.fill("First and more")
    expect(page.get_by_role("button", name="Undo the last change")).to_be_visible()
    expect(page.get_by_label("Name", exact=True).first).to_have_value("First and more")
    expect(page.get_by_text("Saved", exact=True)).to_have_count(0)
    assert slow.json("/api/kitchen")["settings"]["name"] == "First"


def test_a_verdict_is_kept_for_what_is_seen_now(slow):
    slow.day.mixed()
    page = slow.open("/bench")
    slow.slow("/judge", wait_s=0.8)
    page.get_by_role("button", name=re.compile("Is it ready")).first.click()
    expect(page.get_by_role("dialog")).to_be_visible()
    page.wait_for_timeout(1200)
    assert len(slow.questions("/judge")) == 1


def test_a_step_is_taken_back_while_its_answer_is_on_the_way(slow):
    slow.day.mixed().at(14, 52)
    page = slow.open("/bench")
    expect(page.locator("section.next h2")).to_have_text("Fold 1 of 4")
    slow.slow("/presses", wait_s=1.5)
    page.get_by_role("button", name="Done", exact=True).first.click()
    page.wait_for_timeout(400)
    page.get_by_role("button", name="Take it back").first.click()
    page.wait_for_timeout(600)
    slow.slow()
    record = {"withdrawn": []}
    for _ in range(60):
        record = slow.json(f"/api/bench/{PLAN}/record")
        if record["withdrawn"]:
            break
        page.wait_for_timeout(250)
    assert [each["body"]["key"] for each in record["withdrawn"]] == ["fold-1"]
    assert "fold-1" not in [each["body"].get("key") for each in record["events"]]
    expect(page.locator("section.next h2")).to_have_text("Fold 1 of 4")


# -- a fired oven ----------------------------------------------------------------------------------------


def wood(slow):
    """The kitchen bakes with wood."""
    body = slow.json("/api/kitchen")["settings"]
    floor = {"id": "floor", "kind": "oven_floor", "name": "Oven floor", "count": 1}
    oven = {**body["oven"], "kind": "wood", "volume_l": 150, "top_c": 450}
    slow.day.client.put("/api/kitchen", json={**body, "oven": oven, "vessels": [*body["vessels"], floor]})


@pytest.mark.long
def test_the_afternoon_is_that_of_the_floor_that_was_typed_last(slow):
    wood(slow)
    page = slow.open("/oven")
    floor = page.get_by_label("Floor", exact=True)
    page.get_by_label("Dome").fill("400")
    floor.fill("380")
    expect(page.locator(".falling")).to_contain_text("Flour blackens")
    slow.slow("/api/oven/falling")
    floor.fill("300")
    floor.fill("210")
    expect(page.locator(".falling")).to_contain_text("half a minute", timeout=15_000)
    page.wait_for_timeout(2500)
    expect(page.locator(".falling")).to_contain_text("half a minute")
    assert len(slow.questions("/api/oven/falling")) <= 3


@pytest.mark.long
def test_a_lesson_that_is_slow_to_be_kept_is_taught_once(slow):
    page = slow.open("/oven")
    page.locator(".signs .chip").filter(has_text="very dark").first.click()
    teach = page.get_by_role("button", name="Teach the oven by it")
    expect(teach).to_be_visible()
    slow.slow("/api/oven/learnt")
    teach.click()
    teach.click(force=True)
    expect(page.locator(".learnt")).to_contain_text("One bake says", timeout=15_000)
    assert slow.json("/api/oven/learnt")["bakes"] == 1


# -- days ------------------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("now", "days"),
    [
        (datetime(2027, 3, 27, 23, 30, tzinfo=UTC), ["2027-03-27", "2027-03-28", "2027-03-29", "2027-03-30"]),
        (datetime(2026, 10, 24, 22, 30, tzinfo=UTC), ["2026-10-24", "2026-10-25", "2026-10-26", "2026-10-27"]),
        (datetime(2027, 2, 27, 12, 0, tzinfo=UTC), ["2027-02-27", "2027-02-28", "2027-03-01", "2027-03-02"]),
    ],
)
def test_days_are_calendar_days_over_the_change_of_clocks(pages, sessions, now, days):
    kitchen = KitchenSettings(Work(sessions, lambda: now))
    kitchen.save(kitchen.get().__class__(**{**vars(kitchen.get()), "zone": "Europe/Lisbon"}))
    with slowed(pages, sessions, lambda: now) as found:
        page = found.open("/cultures")
        name = "A preferment with yeast"
        page.get_by_role("link", name=name).or_(page.get_by_role("button", name=name)).first.click()
        page.get_by_role("combobox", name="Ripe on").click(force=True)
        expect(page.get_by_role("option", name="Today")).to_be_visible()
        labels = page.get_by_role("option").all_inner_texts()
        assert labels[:4] == ["Today", "Tomorrow", *(f"{datetime.fromisoformat(day):%A}" for day in days[2:])]
        with page.expect_request(lambda request: request.url.endswith("/api/preferments")) as asked:
            page.get_by_label("I need").fill("300")
            page.get_by_label("I need").press("Tab")
        body = json.loads(asked.value.post_data)
        assert body["start"][:10] == days[0] and body["ripe"][:10] == days[1]
        page.goto(f"{found.address}/plan?formula=tidewater-country")
        page.wait_for_load_state("networkidle")
        page.locator("button.say", has_text="Wanted").click()
        choices = page.locator("fieldset").filter(has_text="Today").locator("input")
        expect(choices.first).to_be_attached()
        shown = choices.evaluate_all("(all) => all.map((each) => each.value)")
        assert shown[:4] == days
