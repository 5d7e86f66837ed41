"""Takes the pictures of each room, made from the demo data on a clock that stands still."""

from collections.abc import Callable
from pathlib import Path
from typing import Literal

from live import CHROMIUM, QUIET, SATURDAY, serving
from playwright.sync_api import Browser, Page, sync_playwright

FOLDER = Path(__file__).parents[2] / "docs" / "screenshots"
DESK, PHONE = (1280, 800), (390, 844)


def _open(page: Page, line: str) -> None:
    page.locator("button.say", has_text=line).click()


def today_in_the_room(page: Page) -> None:
    """A plan for this evening, proofed in the room."""
    page.get_by_role("button", name="Begin another plan").click()
    page.wait_for_load_state("networkidle")
    _open(page, "Wanted")
    page.get_by_label("Today").check(force=True)
    page.get_by_label("Time", exact=True).fill("19:00")
    page.keyboard.press("Enter")
    _open(page, "Proof")
    page.get_by_label("In the room").check(force=True)
    page.get_by_text("Into the fridge").wait_for(state="detached")
    _open(page, "Proof")
    page.evaluate("window.scrollTo(0, 0)")


def cannot_be_met(page: Page) -> None:
    """A wish that comes too late, with what would mend it."""
    today_in_the_room(page)
    _open(page, "Wanted")
    page.get_by_label("Time", exact=True).fill("15:00")
    page.keyboard.press("Enter")
    page.get_by_text("One change would do").wait_for()
    page.evaluate("window.scrollTo(0, 0)")


def ways(page: Page) -> None:
    """The four ways, and the leaven a fifth weaker."""
    page.get_by_role("button", name="Leaven a fifth weaker").click()
    page.locator("path.shade").first.wait_for()


def explained(page: Page) -> None:
    """What drives the forecast."""
    page.get_by_role("button", name="Why these times").click()
    page.get_by_text("A plain white dough").wait_for()
    page.get_by_label("What must be so").select_option(label="How much levain")
    page.get_by_role("button", name="Reckon").click()
    page.locator("strong.said").wait_for()
    page.evaluate("window.scrollTo(0, document.querySelector('section.why').offsetTop - 120)")


def read(page: Page) -> None:
    """A dough on the box's two-litre line, higher than foretold."""
    page.get_by_label("Line on the box").check(force=True)
    page.get_by_label("It stands at").fill("2.0")
    page.get_by_role("button", name="Log it", exact=True).click()
    page.get_by_text("faster than usual").wait_for()
    page.evaluate("window.scrollTo(0, 340)")


def printed(page: Page) -> None:
    """The card as it is printed."""
    page.get_by_role("button", name="Print the card").wait_for()
    page.emulate_media(media="print")


def down_to_the_ribbon(page: Page) -> None:
    """The phone, scrolled to the ribbon."""
    page.locator("figure.down").scroll_into_view_if_needed()
    page.evaluate("window.scrollTo(0, document.querySelector('figure.down').offsetTop - 16)")


def editing(page: Page) -> None:
    """The editor with a formula of two preferments and a soaker."""
    page.get_by_role("button", name="Two tides wholemeal").click()
    page.get_by_role("button", name="Change it").click()
    page.get_by_role("table").last.wait_for()


def comparing(page: Page) -> None:
    """The first version of a formula beside today's."""
    page.get_by_role("button", name="Tidewater country loaf").click()
    page.get_by_role("button", name="Compare two").click()
    page.get_by_label("Before").select_option(label="Version 1, first try")
    page.get_by_role("row", name="≠ Fine rye").scroll_into_view_if_needed()
    page.evaluate("window.scrollTo(0, 9999)")


def _slide(page: Page, name: str, to: float) -> None:
    slider = page.get_by_role("slider", name=name, exact=True)
    slider.focus()
    steps = round((to - float(slider.get_attribute("aria-valuenow") or 0)) * 2)
    for _ in range(abs(steps)):
        page.keyboard.press("ArrowRight" if steps > 0 else "ArrowLeft")


def summer(page: Page) -> None:
    """A mixer on a hot day, and the waters that were poured."""
    for name, warm in (("Flour", 28), ("Room", 30), ("Levain or preferment", 28), ("Cold tap", 22)):
        _slide(page, name, warm)
    page.get_by_label("Mixed by").select_option(label="Spiral mixer")
    page.get_by_role("button", name="Begin from the jugs above").click()
    page.get_by_text("The dough will be").wait_for()
    page.evaluate("window.scrollTo(0, 0)")


def feeding(page: Page) -> None:
    """Ways to feed over the night, so that there is levain tomorrow."""
    page.get_by_role("radio", name="1 : ").first.wait_for()
    page.evaluate("document.activeElement.blur(); window.scrollTo(0, document.querySelector('.desk').offsetTop - 24)")


def history(page: Page) -> None:
    """What happened to a culture, day by day."""
    page.get_by_role("button", name="Show").click()
    page.evaluate("window.scrollTo(0, document.querySelector('.history').offsetTop - 330)")


def feeding_by_phone(page: Page) -> None:
    """The phone at the counter: log the feed, or ask for levain."""
    page.get_by_role("radio", name="1 : ").first.wait_for()
    page.evaluate("document.activeElement.blur(); window.scrollTo(0, document.querySelector('.desk').offsetTop - 8)")


def pasting(page: Page) -> None:
    """A cup recipe with its uncertainty."""
    page.get_by_role("button", name="Paste a recipe").click()
    page.get_by_label("Name", exact=True).fill("From the drawer")
    lines = ["3 1/2 cups bread flour", "½ cup whole wheat flour", "1 ½ cups warm water (105°F)", "2 oz milk"]
    page.get_by_label("Ingredients").fill(
        "\n".join([*lines, "1 tbsp salt", "1 packet active dry yeast", "bake until done"])
    )
    page.get_by_text("Ounces of a liquid: by weight").wait_for()


Picture = tuple[str, str, tuple[int, int], Literal["light", "dark"], Callable[[Page], None] | None]
PICTURES: list[Picture] = [
    ("plan", "/plan", DESK, "light", None),
    ("plan-today", "/plan", DESK, "light", today_in_the_room),
    ("plan-ways", "/plan", DESK, "light", ways),
    ("plan-why", "/plan", DESK, "light", explained),
    ("card", "/plan", (794, 1123), "light", printed),
    ("plan-cannot-be-met", "/plan", DESK, "dark", cannot_be_met),
    ("plan-phone", "/plan", PHONE, "light", down_to_the_ribbon),
    ("formulas", "/formulas", DESK, "light", None),
    ("formula-editor", "/formulas", DESK, "light", editing),
    ("written-recipe", "/formulas", DESK, "light", pasting),
    ("formula-phone", "/formulas", PHONE, "light", editing),
    ("versions", "/formulas", DESK, "light", comparing),
    ("water-summer", "/water", DESK, "light", summer),
    ("cultures", "/cultures", DESK, "light", None),
    ("culture-feed", "/cultures/gull?do=feed", DESK, "light", feeding),
    ("culture-history", "/cultures/gull", DESK, "dark", history),
    ("culture-phone", "/cultures/gull?do=feed", PHONE, "light", feeding_by_phone),
    ("kitchen", "/kitchen", DESK, "light", None),
]

EVENING: list[Picture] = [("plan-reading", "/plan", DESK, "light", read)]
IN_BULK = "2026-11-28T17:10:00+00:00"
"""Twenty past seven that evening, the dough well into bulk."""


def main() -> None:
    """Take them all."""
    FOLDER.mkdir(parents=True, exist_ok=True)
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=QUIET)
        for now, pictures in ((SATURDAY, PICTURES), (IN_BULK, EVENING)):
            with serving(now=now) as address:
                for picture in pictures:
                    _take(browser, address, *picture)
        browser.close()


def _take(
    browser: Browser,
    address: str,
    name: str,
    path: str,
    size: tuple[int, int],
    scheme: Literal["light", "dark"],
    act: Callable[[Page], None] | None,
) -> None:
    width, height = size
    context = browser.new_context(viewport={"width": width, "height": height}, color_scheme=scheme)
    page = context.new_page()
    page.goto(address + path)
    page.wait_for_load_state("networkidle")
    page.evaluate("document.fonts.ready")
    if act:
        act(page)
    page.wait_for_timeout(400)
    page.screenshot(path=FOLDER / f"{name}.png")
    context.close()
    print(f"docs/screenshots/{name}.png")


if __name__ == "__main__":
    main()
