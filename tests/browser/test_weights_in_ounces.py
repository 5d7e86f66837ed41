"""A baker who weighs in ounces is asked for every weight in ounces, and what is kept is the same dough."""

import re

import pytest
from playwright.sync_api import expect

pytestmark = pytest.mark.browser

OUNCE = 28.349523125


@pytest.fixture
def american(own):
    """A kitchen that weighs in ounces and reads Fahrenheit."""
    own.set_units = own.day.client.get("/api/kitchen").json["settings"] | {"ounces": True, "fahrenheit": True}
    assert own.day.client.put("/api/kitchen", json=own.set_units).status_code == 200
    return own


def in_ounces(g: float) -> re.Pattern[str]:
    return re.compile(rf"^{g / OUNCE:.1f}")


def test_a_jar_is_weighed_in_ounces_and_kept_in_grams(american):
    page = american.open("/cultures/gull?do=edit")
    before = american.day.client.get("/api/cultures/gull").json["culture"]["culture"]["jar"]["empty_g"]
    empty = page.get_by_label("Weighs empty")
    expect(empty).to_have_value(in_ounces(before))
    expect(empty.locator("xpath=ancestor::*[contains(@class, 'row')][1]")).to_contain_text("oz")
    empty.fill("12,5")
    page.get_by_role("button", name="Save the culture").click()
    expect(page.get_by_role("button", name="Save the culture")).to_have_count(0)
    after = american.day.client.get("/api/cultures/gull").json["culture"]["culture"]["jar"]["empty_g"]
    assert after == pytest.approx(12.5 * OUNCE, abs=0.2)


def test_opening_the_jars_form_and_saving_changes_no_weight(american):
    page = american.open("/cultures/gull?do=edit")
    before = american.day.client.get("/api/cultures/gull").json["culture"]["culture"]["jar"]
    page.get_by_role("button", name="Save the culture").click()
    expect(page.get_by_role("button", name="Save the culture")).to_have_count(0)
    assert american.day.client.get("/api/cultures/gull").json["culture"]["culture"]["jar"] == before


def test_a_loaf_is_weighed_in_ounces_at_the_oven(american):
    page = american.open("/oven")
    page.get_by_role("heading", name="Minute by minute").wait_for()
    expect(page.get_by_label("Each weighs")).to_have_value(in_ounces(880))
    page.get_by_label("A loaf weighs").fill(f"{780 / OUNCE:.2f}")
    expect(page.get_by_text("This one lost 11.4 %.")).to_be_visible()


def test_the_mixers_most_dough_is_asked_in_ounces(american):
    page = american.open("/kitchen")
    most = page.get_by_label("Most dough the mixer\u2019s maker allows")
    most.fill("70")
    page.get_by_role("button", name="Save the kitchen").click()
    expect(page.get_by_text("Saved", exact=True)).to_be_visible()
    kept = american.day.client.get("/api/kitchen").json["settings"]["mixer_dough_g"]
    assert kept == pytest.approx(70 * OUNCE, abs=0.5)
    most.fill("")
    page.get_by_role("button", name="Save the kitchen").click()
    expect(page.get_by_role("button", name="Save the kitchen")).to_be_enabled()
    page.reload()
    expect(page.get_by_label("Most dough the mixer\u2019s maker allows")).to_have_value("")
