"""The stretched language in every room: no word of the page stands outside the catalogues, and nothing is cut."""

import re

import pytest
from live import serving
from playwright.sync_api import expect

from gentle_crust.text.pseudo import CLOSES, OPENS
from tests.browser.conftest import DESK, PHONE

pytestmark = pytest.mark.browser
ROOMS = (
    "/bench",
    "/log",
    "/log/learnt",
    "/log/practice",
    "/plan",
    "/formulas",
    "/cultures",
    "/oven",
    "/water",
    "/kitchen",
    "/trust",
)
SAID = """() => {
  const found = [], walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
  while (walker.nextNode()) {
    const inside = walker.currentNode.parentElement
    if (!inside.closest('script, style, code, pre')) found.push(walker.currentNode.data)
  }
  for (const name of ['aria-label', 'placeholder', 'title', 'alt'])
    for (const one of document.querySelectorAll(`[${name}]`)) found.push(one.getAttribute(name))
  return found.map((text) => text.trim()).filter(Boolean)
}"""
CUT = """() => [...document.querySelectorAll('main *, header *, nav *')].filter((one) => {
  const style = getComputedStyle(one)
  const scrolls = ['auto', 'scroll'].includes(style.overflowX) || ['auto', 'scroll'].includes(style.overflowY)
  if (!one.innerText || !one.offsetParent || one.clientWidth < 2 || scrolls) return false
  return style.overflowX !== 'visible' && one.scrollWidth > one.clientWidth + 1
}).map((one) => `${one.tagName}.${one.className}: ${one.innerText.slice(0, 60)}`)"""
RUN_TOGETHER = """() => {
  const places = [...document.querySelectorAll('nav a')].map((one) => {
    const words = document.createRange()
    words.selectNodeContents(one)
    return words.getBoundingClientRect()
  }).filter((place) => place.width)
  return places.slice(1).filter((place, index) => {
    const before = places[index]
    const beside = place.left < before.right && place.right > before.left
    return beside && place.top < before.bottom && place.bottom > before.top
  }).length
}"""
DAYS = r"\b(Mon|Tues?|Wed(nes)?|Thu(rs)?|Fri|Sat(ur)?|Sun)(day)?\b"
MONTHS = r"\b(January|February|March|April|May|June|July|August|September|October|November|December)\b"
ZONES = r"\b[A-Z]\w+(/[\w+-]+)+"


@pytest.fixture(scope="module")
def address():
    with serving(prefix=("env", "GENTLE_CRUST_LANGUAGE=qps")) as address:
        yield address


def strings(value):
    """Every text in a JSON answer, keys too; of one that holds figures of its own, the texts between them."""
    if isinstance(value, str):
        yield from re.split(r"\{[^|{}]+\|\w+\}", value)
    elif isinstance(value, dict):
        for key, each in value.items():
            yield from (key, *strings(each))
    elif isinstance(value, list):
        for each in value:
            yield from strings(each)


def left_over(text: str, known: list[str]) -> str:
    """What of a text stands in no catalogue and came with no answer."""
    text = re.sub(f"{DAYS}|{MONTHS}|{ZONES}|\\bmin\\b", " ", text)
    while (inner := re.sub(f"{OPENS}[^{OPENS}{CLOSES}]*{CLOSES}", " ", text)) != text:
        text = inner
    for each in known:
        text = text.replace(each, " ")
    return text


def answered(answers) -> list[str]:
    """Every text that came with an answer, the longest first."""
    told = set()
    for answer in answers:
        if "json" in answer.headers.get("content-type", ""):
            told |= {text for text in strings(answer.json()) if len(text.strip()) > 2}
    return sorted({left_over(text, []) for text in told} | told, key=len, reverse=True)


@pytest.fixture(scope="module")
def lived(browser, address):
    """The kitchen bakes with wood in a measured oven, has taught it, and set bakes with photos side by side."""
    context = browser.new_context()
    put, get = context.request.put, context.request.get
    own = {"Origin": address}
    loaf = {"formula_id": "tidewater-country", "pieces": 1, "piece_g": 850}
    taught = {"bake": {"loaf": loaf, "vessel_id": "pot"}, "colour": 90, "core_c": 97, "out_g": 720}
    assert put(f"{address}/api/oven/learnt/t1", data=taught, headers=own).ok
    body = get(f"{address}/api/kitchen").json()["settings"]
    yield own
    put(f"{address}/api/kitchen", data=body, headers=own)
    context.close()


@pytest.mark.long
def test_a_taught_and_a_fired_oven_have_no_words_of_their_own(browser, address, lived):
    context = browser.new_context(viewport=DESK, service_workers="block")

    def opened():
        """The oven's room on a page of its own, with the answers that came to it."""
        page, answers = context.new_page(), []
        page.on("response", lambda response: "/api/" in response.url and answers.append(response))
        page.goto(f"{address}/oven")
        page.wait_for_load_state("networkidle")
        return page, answers

    def speaks_it(page, answers, width):
        said, known = page.evaluate(SAID), answered(answers)
        own = {text: left_over(text, known) for text in said}
        assert {text: rest for text, rest in own.items() if re.search(r"[A-Za-z]{3,}", rest)} == {}
        assert page.evaluate(CUT) == []
        assert page.evaluate("document.documentElement.scrollWidth") <= width

    page, answers = opened()
    expect(page.locator(".learnt li")).to_have_count(1)
    expect(page.locator("figure.load")).to_be_visible()
    speaks_it(page, answers, DESK["width"])
    page.close()
    body = context.request.get(f"{address}/api/kitchen").json()["settings"]
    oven = {**body["oven"], "kind": "wood", "volume_l": 150, "top_c": 450}
    assert context.request.put(f"{address}/api/kitchen", data={**body, "oven": oven}, headers=lived).ok
    page, answers = opened()
    page.set_viewport_size(PHONE)
    for field in page.locator(".fire input").all()[:2]:
        field.fill("320")
    expect(page.locator(".falling li").first).to_be_visible()
    page.wait_for_load_state("networkidle")
    speaks_it(page, answers, PHONE["width"])
    context.close()


@pytest.mark.parametrize("room", ROOMS)
def test_no_room_has_words_of_its_own_and_none_is_cut(browser, address, room):
    context = browser.new_context(viewport=DESK, service_workers="block")
    page = context.new_page()
    answers = []
    page.on("response", lambda response: "/api/" in response.url and answers.append(response))
    page.goto(address + room)
    page.wait_for_load_state("networkidle")
    for viewport in (DESK, PHONE):
        page.set_viewport_size(viewport)
        said = page.evaluate(SAID)
        assert sum(OPENS in text for text in said) > 10, "the stretched language is shown"
        known = answered(answers)  # whatever came until it was looked at
        own = {text: left_over(text, known) for text in said}
        assert {text: rest for text, rest in own.items() if re.search(r"[A-Za-z]{3,}", rest)} == {}
        assert page.evaluate(CUT) == []
        assert page.evaluate(RUN_TOGETHER) == 0, "the names of the rooms do not run into one another"
        assert page.evaluate("document.documentElement.scrollWidth") <= viewport["width"]
    context.close()


def test_core_and_kitchen_speak_it_too(browser, address):
    context = browser.new_context()
    get = context.request.get
    gull = get(f"{address}/api/cultures/gull").json()["culture"]
    kit = get(f"{address}/api/oven").json()
    refused = context.request.post(
        f"{address}/api/kitchen/day",
        data={"room_day_c": 400, "room_night_c": 19, "sleep_from": "22:00", "sleep_to": "06:00"},
    ).json()
    for text in (
        gull["health"]["do"],
        kit["vessels"][0]["name"],
        kit["steam"][0]["name"],
        refused["errors"][0]["sentence"],
    ):
        assert OPENS in text, text
    context.close()


def test_ingredients_are_called_in_it_and_the_bakers_own_names_are_left_alone(browser, address):
    context = browser.new_context()
    get = context.request.get
    loaf = get(f"{address}/api/formulas/lamplighters-tin").json()
    lines = [line for stage in loaf["weighed"]["stages"] for line in stage["lines"]]
    own = {extra["name"] for extra in loaf["formula"]["extras"]}
    assert own and {line["name"] for line in lines if OPENS not in line["name"]} == own
    assert {each["name"] for each in loaf["totals"] if OPENS not in each["name"]} == own
    assert all(OPENS in stage["title"] for stage in loaf["weighed"]["stages"])
    assert OPENS in loaf["label"]["text"] and all(OPENS in each for each in loaf["label"]["allergens"])
    names = get(f"{address}/api/ingredients").json()
    assert all(OPENS in name for name in names["flours"].values()) and OPENS in names["new"]["name"]
    assert all(OPENS in soaker["name"] for soaker in names["soakers"].values())
    pantry = get(f"{address}/api/pantry").json()
    told = {each["key"]: each["name"] for each in (*pantry["bought"], *pantry["priced"])}
    assert OPENS in told["ingredient-salt"] and OPENS in told["flour-strong_white"]
    assert told["Butter"] == "Butter"
    plan = get(f"{address}/api/plans").json()["plans"][0]
    weigh = get(f"{address}/api/plans/{plan['id']}").json()["plan"]["weigh"]
    culture = {"Gull", "Brack"}
    assert {line["name"] for stage in weigh for line in stage["lines"] if OPENS not in line["name"]} <= culture
    context.close()


def test_a_formula_swapped_in_it_is_named_in_it(browser, address):
    context = browser.new_context()
    answer = context.request.post(
        f"{address}/api/formulas/tidewater-country/swap",
        data={"leaven": "yeast"},
        headers={"Origin": address},
    ).json()
    assert answer["formula"]["formula"]["name"].startswith(OPENS)
    assert "Tidewater country loaf" in answer["formula"]["formula"]["name"]
    context.close()
