"""Takes the pictures of each room, made from the demo data on a clock that stands still."""

from collections.abc import Callable
from pathlib import Path
from typing import Literal

from hands import pick
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
    _open(page, "The way")
    page.get_by_label("Room and steady").check(force=True)
    page.get_by_role("region", name="Step by step").get_by_text("Into the fridge").first.wait_for(state="detached")
    _open(page, "The way")
    page.evaluate("window.scrollTo(0, 0)")


def printed(page: Page) -> None:
    """The card as it is printed."""
    page.get_by_role("button", name="Print the card").wait_for()
    page.emulate_media(media="print")


def editing(page: Page) -> None:
    """The editor with a formula of two preferments and a soaker."""
    page.get_by_role("button", name="Two tides wholemeal").click()
    page.get_by_role("button", name="Change it").click()
    page.get_by_role("table").last.wait_for()


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
    pick(page, "Mixed by", "Spiral mixer")
    page.get_by_role("button", name="Begin from the jugs above").click()
    page.get_by_text("The dough will be").wait_for()
    page.evaluate("window.scrollTo(0, 0)")


def pasting(page: Page) -> None:
    """A recipe of two stages with its sentences and what is in doubt."""
    page.get_by_role("button", name="Paste a recipe").click()
    lines = ["Slipway loaf", "", "Levain", "25 g starter", "75 g wholemeal flour", "75 g water", "", "Dough",
             "3 1/2 cups bread flour", "1 1/2 cups warm water", "11 g salt", "all of the levain", "",
             "Leave the levain for 6 hours. Mix flour and water and rest for 30 minutes.",
             "Add the levain and the salt. Bulk 3 hours with 3 folds every 30 minutes.",
             "Shape and chill for 12 hours.",
             "Bake in a cast iron pot at 240 C, 25 minutes covered and 20 minutes uncovered."]  # fmt: skip
    page.get_by_label("The recipe").fill("\n".join(lines))
    page.get_by_role("heading", name="How it is made").wait_for()


def wooden(page: Page) -> None:
    """An afternoon with a wood fire: the last picture, for the kitchen stays one that bakes with wood."""
    address = page.url.split("/oven")[0]
    body = page.request.get(f"{address}/api/kitchen").json()["settings"]
    floor = {"id": "floor", "kind": "oven_floor", "name": "Oven floor", "count": 1}
    oven = {**body["oven"], "kind": "wood", "volume_l": 150, "top_c": 450}
    body = {**body, "oven": oven, "vessels": [*body["vessels"], floor]}
    page.request.put(f"{address}/api/kitchen", data=body, headers={"Origin": address})
    page.reload()
    page.get_by_label("Floor", exact=True).fill("330")
    page.get_by_label("Dome").fill("360")
    page.locator(".falling li").first.wait_for()
    page.locator(".falling").scroll_into_view_if_needed()
    page.evaluate("document.activeElement.blur(); window.scrollBy(0, 200)")


def in_the_oven(page: Page) -> None:
    """The room with its bake drawn."""
    page.get_by_role("heading", name="Where bakers disagree").wait_for()


Picture = tuple[str, str, tuple[int, int], Literal["light", "dark"], Callable[[Page], None] | None]
PICTURES: list[Picture] = [
    ("plan", "/plan", DESK, "light", None),
    ("card", "/plan", (794, 1123), "light", printed),
    ("kitchen", "/kitchen", DESK, "light", None),
    ("formula-editor", "/formulas", DESK, "light", editing),
    ("written-recipe", "/formulas", (1280, 1100), "light", pasting),
    ("water-summer", "/water", DESK, "light", summer),
    ("cultures", "/cultures", DESK, "light", None),
    ("oven", "/oven", DESK, "light", in_the_oven),
    ("oven-wood", "/oven", (1280, 1000), "light", wooden),
]


def judging(page: Page) -> None:
    """Yesterday's loaf judged on the phone: as it is pressed."""
    page.get_by_role("button", name="Judge the loaf").click()
    sheet = page.get_by_role("dialog")
    for group, name in (
        ("Liked", "well"), ("Its shape", "domed"), ("Scores", "with an ear"), ("Top", "deep"), ("Crumb", "open"),
        ("Crust", "crackling"),
    ):  # fmt: skip
        sheet.get_by_role("group", name=group, exact=True).get_by_role("button", name=name, exact=True).click()
    page.get_by_role("group", name="Its shape").scroll_into_view_if_needed()


def settled(page: Page) -> None:
    """The six weeks, from the first that left the bench on."""
    page.get_by_role("link", name="liked 5 of 5").first.wait_for()
    page.get_by_role("link", name="Tidewater country loaf").nth(1).scroll_into_view_if_needed()
    page.evaluate("window.scrollTo(0, 170)")


def beside(page: Page) -> None:
    """Two bakes on one clock, line by line, their photos at one scale."""
    page.get_by_role("heading", name="What differs").wait_for()
    for photo_at in range(2):
        page.get_by_role("button", name="Mark a width in it").first.click()
        sheet = page.get_by_role("dialog")
        for end, share in (("First end", 0.13), ("Second end", 0.87)):
            handle, photo = sheet.get_by_role("slider", name=end), sheet.get_by_role("img").bounding_box()
            at = handle.bounding_box()
            page.mouse.move(at["x"] + at["width"] / 2, at["y"] + at["height"] / 2)
            page.mouse.down()
            page.mouse.move(photo["x"] + share * photo["width"], photo["y"] + photo["height"] / 2, steps=3)
            page.mouse.up()
        width = sheet.get_by_label("From end to end")
        width.fill(width.input_value() or "215")
        sheet.get_by_role("button", name="Keep it").click()
        page.get_by_role("button", name="Move the mark").nth(photo_at).wait_for()
    page.get_by_text("Both are at one scale").wait_for()
    page.evaluate("document.activeElement.blur(); window.scrollTo(0, 0)")


def proofing(page: Page) -> None:
    """Is it proofed? Two things pressed, the verdict beside them."""
    page.get_by_role("button", name="Lamplighter's tin loaf").click()
    page.get_by_role("button", name="Is it ready?").click()
    page.get_by_role("group", name="The dent").get_by_role("button", name="slowly, partly").click()
    page.get_by_role("group", name="Shaken a little").get_by_role("button", name="some").click()
    page.get_by_text("the dent comes back slowly").wait_for()


def explained(page: Page) -> None:
    """Why a loaf came out so: its causes, and one change."""
    why = page.locator(".why")
    why.locator(".change").wait_for()
    why.scroll_into_view_if_needed()
    page.evaluate("document.activeElement.blur(); window.scrollTo(0, document.querySelector('.why').offsetTop - 12)")


def measured(page: Page) -> None:
    """A slice measured on its photo, its holes outlined."""
    page.get_by_role("button", name="Measure").nth(1).click()
    sheet = page.get_by_role("dialog")
    sheet.locator("path.over").wait_for()
    sheet.locator("dl").wait_for()
    page.evaluate("document.activeElement.blur()")


def read_once(page: Page) -> None:
    """A dough that was read: how it was, and what spoke for it."""
    page.locator("figure svg path.dough").wait_for()
    page.get_by_role("radio", name="ready", exact=True).check(force=True)
    page.get_by_role("button", name="Judge it").click()
    page.locator(".told h2").wait_for()
    page.evaluate("document.activeElement.blur(); window.scrollTo(0, 190)")


BENCH: list[Picture] = [
    ("bench", "/bench", DESK, "light", None),
    ("bench-judge", "/bench", DESK, "light", proofing),
    ("log", "/log", DESK, "light", settled),
    ("loaf-sheet", "/log/demo-baked-20261128", PHONE, "light", judging),
    ("log-beside", "/log/compare?of=six-weeks-3,six-weeks-15", (1280, 1700), "light", beside),
    ("why", "/log/six-weeks-7", (1280, 1000), "light", explained),
    ("slice", "/log/six-weeks-10", DESK, "light", measured),
    ("learnt", "/log/learnt", DESK, "light", None),
    ("drill", "/log/practice", (390, 1180), "light", read_once),
    ("log-history", "/log/formula/quayside-malted", (1280, 1100), "light", None),
]


def main() -> None:
    """Take them all."""
    FOLDER.mkdir(parents=True, exist_ok=True)
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=QUIET)
        with serving(now=SATURDAY) as address:
            for picture in PICTURES:
                _take(browser, address, *picture)
        with serving("demo", now=SATURDAY) as address:
            for picture in BENCH:
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
    context = browser.new_context(
        viewport={"width": width, "height": height}, color_scheme=scheme, service_workers="block"
    )
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
