"""What a hand does with the page's fields, for tests and pictures."""

from playwright.sync_api import Locator, Page


def pick(where: Page | Locator, label: str, option: str) -> None:
    """Open the field of that label and choose the option of that name; its list lies over the whole page."""
    where.get_by_role("combobox", name=label, exact=True).click(force=True)
    page = where if isinstance(where, Page) else where.page
    page.get_by_role("option", name=option, exact=True).click()
