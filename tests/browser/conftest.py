"""A browser, and pages in it that must not complain nor speak to any other host."""

import shutil
from contextlib import contextmanager

import pytest
from live import CHROMIUM, QUIET
from playwright.sync_api import expect, sync_playwright

from gentle_crust.api.app import create_app
from gentle_crust.store.database import open_store
from tests.api.conftest import Day
from tests.browser.pages import Pages
from tests.conftest import SATURDAY

expect.set_options(timeout=15_000)
"""A cold start on a busy machine is no fault; what never comes is."""
DESK, PHONE = {"width": 1280, "height": 800}, {"width": 390, "height": 844}
BRIEF = [
    "--disable-features=BackForwardCache,PaintHolding",
    "--renderer-process-limit=1",
    "--js-flags=--no-opt --no-maglev",
]
"""No page lives long enough in a test for compiling it well to pay."""


@pytest.fixture(scope="session")
def browser():
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=[*QUIET, *BRIEF])
        yield browser
        browser.close()


@pytest.fixture(scope="session")
def pages(browser):
    return Pages(browser)


@pytest.fixture(scope="module")
def address(filled, pages, tmp_path_factory):
    """The demo without its past, at half past six, served to all tests of a file."""
    folder = tmp_path_factory.mktemp("served") / "data"
    shutil.copytree(filled, folder)
    sessions = open_store(folder)
    with pages.served(create_app(sessions, lambda: SATURDAY)) as found:
        yield found
    sessions.kw["bind"].dispose()


@pytest.fixture
def visit(pages, address):
    """Opens a page; fails the test if the page logged an error or asked another host for anything."""
    complaints = []
    with pages.contexts() as context:

        def opened(path="/plan", viewport=DESK, **more):
            page = context(viewport, **more).new_page()
            page.on("pageerror", lambda error: complaints.append(str(error)))
            page.on(
                "request", lambda request: request.url.startswith((address, "data:")) or complaints.append(request.url)
            )
            page.goto(address + path)
            page.wait_for_load_state("networkidle")
            return page

        yield opened
    assert complaints == []


class Own:
    """A demo of its own with a clock that the test turns; opens pages on it."""

    def __init__(self, day, address, context) -> None:
        self.day, self.address, self.contexts, self._context = day, address, [], context

    def context(self, viewport=DESK, **more):
        self.contexts.append(self._context(viewport, **more))
        return self.contexts[-1]

    def open(self, path="/bench", viewport=DESK, **more):
        page = self.context(viewport, **more).new_page()
        page.goto(self.address + path)
        page.wait_for_load_state("networkidle")
        return page


@contextmanager
def owned(pages, sessions):
    day = Day(sessions)
    with pages.served(day.client.application) as address, pages.contexts() as context:
        yield Own(day, address, context)


@pytest.fixture
def past(pages, past_sessions):
    """A demo of its own with its six weeks."""
    with owned(pages, past_sessions) as found:
        yield found


@pytest.fixture
def own(pages, sessions):
    with owned(pages, sessions) as found:
        yield found
