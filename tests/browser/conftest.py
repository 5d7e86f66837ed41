"""A browser, and pages in it that must not complain nor speak to any other host."""

import shutil
from threading import Thread

import pytest
from live import CHROMIUM, QUIET
from playwright.sync_api import expect, sync_playwright
from waitress import create_server

from gentle_crust.api.app import create_app
from gentle_crust.store.database import open_store
from tests.api.conftest import Day
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
CALM = {"service_workers": "block", "reduced_motion": "reduce"}
"""Pages without a worker and without motion, which takes a sixth of a test's time, where a test wants no other."""


@pytest.fixture(scope="module")
def address(filled, tmp_path_factory):
    """The demo without its past, at half past six, served to all tests of a file."""
    folder = tmp_path_factory.mktemp("served") / "data"
    shutil.copytree(filled, folder)
    sessions = open_store(folder)
    yield served(create_app(sessions, lambda: SATURDAY))
    sessions.kw["bind"].dispose()


def served(app):
    """Serve from a thread of its own, which is left to end with the process; gives the address."""
    server = create_server(app, host="127.0.0.1", port=0, threads=6)
    Thread(target=server.run, daemon=True).start()
    return f"http://127.0.0.1:{server.effective_port}"


@pytest.fixture(scope="session")
def browser():
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=[*QUIET, *BRIEF])
        yield browser
        browser.close()


@pytest.fixture
def visit(browser, address):
    """Opens a page; fails the test if the page logged an error or asked another host for anything."""
    contexts, complaints = [], []

    def opened(path="/plan", viewport=DESK, **more):
        context = browser.new_context(viewport=viewport, **CALM | more)
        contexts.append(context)
        page = context.new_page()
        page.on("pageerror", lambda error: complaints.append(str(error)))
        page.on("request", lambda request: request.url.startswith((address, "data:")) or complaints.append(request.url))
        page.goto(address + path)
        page.wait_for_load_state("networkidle")
        return page

    yield opened
    for context in contexts:
        context.close()
    assert complaints == []


class Own:
    """A demo of its own with a clock that the test turns; opens pages on it."""

    def __init__(self, browser, sessions) -> None:
        self.browser, self.day, self.contexts = browser, Day(sessions), []
        self.address = served(self.day.client.application)

    def open(self, path="/bench", viewport=DESK, **more):
        self.contexts.append(self.browser.new_context(viewport=viewport, **CALM | more))
        page = self.contexts[-1].new_page()
        page.goto(self.address + path)
        page.wait_for_load_state("networkidle")
        return page

    def close(self):
        """Close the pages. The server is left to its daemon thread: closing its sockets from here would free numbers
        that the next data file gets, while that thread still writes to them."""
        for context in self.contexts:
            context.close()


@pytest.fixture
def past(browser, past_sessions):
    """A demo of its own with its six weeks."""
    found = Own(browser, past_sessions)
    yield found
    found.close()


@pytest.fixture
def own(browser, sessions):
    found = Own(browser, sessions)
    yield found
    found.close()
