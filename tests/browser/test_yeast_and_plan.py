"""A glass of yeast that foams thinly, from the Water room to the plan and back to a new pack."""

import re

import pytest
from playwright.sync_api import expect
from seeing import sound

from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser
SAYS = re.compile("Your dry yeast was weak when it was last tested: this plan counts on 67 %")


def planned(own, size):
    page = own.open("/plan?formula=lamplighters-tin", size)
    expect(page.get_by_text("Lamplighter's tin loaf").first).to_be_visible()
    return page


@pytest.mark.parametrize("size", [DESK, PHONE])
def test_weak_yeast_is_told_in_the_plan_until_a_new_pack_is_opened(own, size):
    page = own.open("/water", size)
    page.get_by_role("button", name="Stirred in: start the clock").click()
    expect(page.locator(".elapsed")).to_contain_text("0:0")
    own.day.now = own.day.now.replace(hour=own.day.now.hour + 1)
    page.reload()
    expect(page.locator(".elapsed")).to_contain_text(re.compile("(59|60|61):"))
    page.get_by_role("button", name="Thin foam").click()
    expect(page.get_by_text("Weak but alive")).to_be_visible()
    sound(page)
    expect(planned(own, size).get_by_text(SAYS)).to_be_visible()
    page.get_by_role("button", name="I have opened a new pack").click()
    expect(page.get_by_text("Weak but alive")).to_have_count(0)
    expect(page.get_by_role("button", name="Stirred in: start the clock")).to_be_visible()
    after = planned(own, size)
    expect(after.get_by_text("of its strength")).to_have_count(0)


def test_a_levain_loaf_says_nothing_of_the_glass(own):
    own.day.client.put("/api/yeast-test/t1")
    own.day.client.put("/api/yeast-test/t1/foam", json={"foam": "thin", "minutes": 20})
    page = own.open("/plan?formula=lamplighters-tin")
    expect(page.get_by_text(SAYS)).to_be_visible()
    page.goto(page.url.split("?")[0] + "?formula=tidewater-country")
    page.wait_for_load_state("networkidle")
    expect(page.get_by_text("of its strength")).to_have_count(0)


def test_lively_yeast_offers_no_new_pack(own):
    own.day.client.put("/api/yeast-test/t1")
    own.day.client.put("/api/yeast-test/t1/foam", json={"foam": "thick", "minutes": 12})
    page = own.open("/water")
    expect(page.get_by_text("Alive and lively")).to_be_visible()
    expect(page.get_by_role("button", name="I have opened a new pack")).to_have_count(0)
