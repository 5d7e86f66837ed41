"""What a hand does with the page's fields, for tests and pictures."""

from contextlib import suppress
from pathlib import Path
from typing import Any

from playwright.sync_api import Locator, Page, TimeoutError, expect

TRIES = 3


def pick(where: Page | Locator, label: str, option: str) -> None:
    """Open the field of that label and choose the option of that name; its list lies over the whole page.

    A list that closed under the hand is opened again, as a hand would.
    """
    field = where.get_by_role("combobox", name=label, exact=True)
    page = where if isinstance(where, Page) else where.page
    shown = page.locator(".el-select", has=field)
    for _ in range(TRIES):
        field.click(force=True)
        with suppress(AssertionError, TimeoutError):
            page.get_by_role("option", name=option, exact=True).click(timeout=8_000)
            expect(shown).to_contain_text(option, timeout=4_000)
            return


def point_at(what: Locator, says: str) -> None:
    """Point at something until its note stands beside it: one that moved away under the pointer is pointed at again."""
    page = what.page
    for _ in range(TRIES):
        what.scroll_into_view_if_needed()
        page.mouse.move(1, 1)
        what.hover()
        with suppress(AssertionError):
            expect(page.get_by_role("tooltip")).to_contain_text(says, timeout=4_000)
            return
    raise AssertionError(f"no note says {says!r}")


def tick(where: Page | Locator, label: str, *options: str) -> None:
    """Choose several options of a field that takes several, or none of them any more; its list is closed after."""
    field = where.get_by_role("combobox", name=label, exact=True)
    page = where if isinstance(where, Page) else where.page
    field.click(force=True)
    for option in options:
        page.get_by_role("listbox", name=label).get_by_role("option", name=option, exact=True).click()
    page.keyboard.press("Escape")


def choose_file(where: Page | Locator, label: str, file: Path | dict[str, Any]) -> None:
    """Give a file to the button of that label, as if it had been chosen in the system's own dialog."""
    chooser = where.locator(".file-field", has_text=label).locator("input[type=file]")
    chooser.evaluate("one => (one.value = '')")
    chooser.set_input_files(file)
