"""Words on the drawings stand apart: none lies on another, on the bench of the demo and in a plan of many days."""

from dataclasses import replace
from datetime import UTC, datetime
from itertools import combinations

import pytest
from playwright.sync_api import expect

from gentle_crust.demo.doughs import begin_doughs
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work
from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser
BOXES = """all => all.map(one => ({
  says: one.textContent.trim(), box: one.getBoundingClientRect(),
})).filter(one => one.says).map(({says, box}) => [says, box.left, box.top, box.right, box.bottom])"""


def on_each_other(page, words):
    """Pairs of words that lie on each other."""
    boxes = page.locator(words).evaluate_all(BOXES)
    assert boxes
    return [
        (one[0], other[0])
        for one, other in combinations(boxes, 2)
        if one[1] < other[3] and other[1] < one[3] and one[2] < other[4] and other[2] < one[4]
    ]


@pytest.mark.parametrize("size", [DESK, PHONE], ids=["desk", "phone"])
@pytest.mark.parametrize("now", [datetime(2026, 11, 28, 7, 10, tzinfo=UTC), datetime(2026, 11, 28, 15, 49, tzinfo=UTC)],
                         ids=["morning", "afternoon"])  # fmt: skip
def test_on_the_bench_no_temperature_lies_on_another(own, size, now):
    own.day.now = now
    begin_doughs(own.day.sessions, lambda: now)
    page = own.open("/bench", size)
    expect(page.get_by_text("Two tides wholemeal").first).to_be_visible()
    expect(page.locator("text.warm").first).to_be_attached()
    assert on_each_other(page, "text.warm") == []


@pytest.mark.parametrize(("day_c", "night_c"), [(23, 19), (10, 7), (8, 5)])
def test_in_a_plan_of_many_days_no_day_lies_on_another(own, day_c, night_c):
    kitchen = KitchenSettings(Work(own.day.sessions, lambda: own.day.now))
    kitchen.save(replace(kitchen.get(), room_day_c=day_c, room_night_c=night_c))
    page = own.open("/plan")
    expect(page.locator("text.day").first).to_be_visible()
    assert on_each_other(page, "text.day") == []
    page.get_by_role("link", name="Log").click()
    expect(page.get_by_role("heading", name="Log")).to_be_visible()
    expect(page.get_by_role("link", name="Log", exact=True)).to_have_attribute("aria-current", "page")


@pytest.mark.parametrize("width", [390, 720, 760, 900, 1024, 1101, 1280])
def test_the_list_of_rooms_has_room_at_every_width(own, width):
    page = own.open("/plan", {"width": width, "height": 800})
    assert page.evaluate("document.documentElement.scrollWidth") <= width
    links = "nav.rooms a:visible, .shelf .next:visible, .shelf .time:visible"
    expect(page.locator("nav.rooms a").first).to_be_visible()
    assert on_each_other(page, links) == []
