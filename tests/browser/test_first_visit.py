"""A first visit: what is fetched for it, in which fonts it is drawn, and that nothing of the page is left out."""

import pytest
from playwright.sync_api import expect

pytestmark = pytest.mark.browser

SENT = """() => Object.fromEntries(performance.getEntriesByType('resource')
  .concat(performance.getEntriesByType('navigation')).map((one) => [one.name, one.encodedBodySize]))"""
LATIN_COMES = """() => [...document.fonts].filter(
  (one) => one.status === 'loaded' && one.family.includes('Atkinson')).length === 3"""
PROGRAM_KB, DATA_KB = 250, 40
"""The most that the first room may weigh: script, style and fonts; and its data."""


def sent(page) -> dict[str, int]:
    """Every file that the page has fetched, with its bytes on the wire."""
    page.wait_for_load_state("networkidle")
    return page.evaluate(SENT)


def test_the_first_room_is_light(visit):
    page = visit("/plan")
    expect(page.get_by_role("region", name="Step by step")).to_be_visible()
    files = sent(page)
    data = sum(size for name, size in files.items() if "/api/" in name)
    assert 5_000 < data < DATA_KB * 1000
    assert 100_000 < sum(files.values()) - data < PROGRAM_KB * 1000


def test_headings_and_figures_are_drawn_in_our_own_fonts_cut_to_english(visit):
    page = visit("/kitchen")
    expect(page.get_by_role("heading", level=1)).to_have_text("Kitchen")
    fonts = [name.rsplit("/", 1)[1] for name in sent(page) if name.endswith(".woff2")]
    assert sorted(name.split("-latin-")[0] for name in fonts) == ["atkinson-hyperlegible-next", "bricolage-grotesque"]
    assert not [name for name in fonts if "wght-normal" in name]
    drawn = page.evaluate("[...document.fonts].filter((one) => one.status === 'loaded').map((one) => one.family)")
    assert {each.strip('"') for each in drawn} == {
        "Atkinson Hyperlegible Next Variable",
        "Bricolage Grotesque Variable",
        "Figures",
    }


def test_a_name_with_other_letters_fetches_them(own):
    page = own.open("/kitchen")
    name = page.get_by_role("textbox", name="Name", exact=True)
    name.fill("\u00c5se og \u0141ucja")
    page.wait_for_function(LATIN_COMES)
    fonts = [each for each in sent(page) if each.endswith(".woff2")]
    assert any("latin-ext-wght" in each for each in fonts)
    assert any("next-latin-wght" in each for each in fonts)


@pytest.mark.parametrize(
    ("room", "alone"),
    [("/water", "kitchen"), ("/kitchen", "oven"), ("/formulas", "cultures"), ("/log", "plan")],
)
def test_a_room_brings_its_own_words_and_leaves_the_others(visit, room, alone):
    """The catalogue of the room is there; one that only another room speaks is not fetched."""
    page = visit(room)
    expect(page.get_by_role("heading", level=1).first).not_to_be_empty()
    names = [each.rsplit("/", 1)[1] for each in sent(page) if each.endswith(".js")]
    assert [each for each in names if each.lower().startswith(f"{room[1:]}room")]
    assert not [each for each in names if each.lower().startswith(f"{alone}room")]
    assert "undefined" not in page.locator("main").inner_text()


def test_what_is_drawn_in_turn_is_all_drawn_and_in_its_order(visit):
    page = visit("/kitchen")
    whole = [
        "Name",
        "Temperatures in",
        "To measure and mix with",
        "Room by day",
        "Its hottest",
        "To bake in",
        "Save the kitchen",
    ]
    for words in whole:
        expect(page.get_by_text(words, exact=True).first).to_be_visible()
    text = page.locator("form").first.inner_text()
    places = [text.index(words) for words in whole[:-1]]
    assert places == sorted(places)


def test_leaving_a_room_half_drawn_leaves_nothing_behind(visit):
    """The parts that still waited for their turn belong to a room that is gone."""
    page = visit("/kitchen")
    problems = []
    page.on("pageerror", lambda error: problems.append(str(error)))
    for _ in range(4):
        page.get_by_role("navigation", name="Rooms").get_by_role("link", name="Plan").click()
        page.get_by_role("navigation", name="Rooms").get_by_role("link", name="Kitchen").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Kitchen")
    expect(page.get_by_role("button", name="Save the kitchen")).to_be_visible()
    expect(page.get_by_text("Room by day")).to_have_count(1)
    assert problems == []
