"""A browser, and pages in it that must not complain nor speak to any other host."""

import pytest
from live import CHROMIUM, QUIET, serving
from playwright.sync_api import expect, sync_playwright

expect.set_options(timeout=15_000)
"""A cold start on a busy machine is no fault; what never comes is."""
DESK, PHONE = {"width": 1280, "height": 800}, {"width": 390, "height": 844}


@pytest.fixture(scope="module")
def address():
    with serving() as address:
        yield address


@pytest.fixture(scope="session")
def browser():
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=QUIET)
        yield browser
        browser.close()


@pytest.fixture
def visit(browser, address):
    """Opens a page; fails the test if the page logged an error or asked another host for anything."""
    contexts, complaints = [], []

    def opened(path="/plan", viewport=DESK, **more):
        context = browser.new_context(viewport=viewport, service_workers="block", **more)
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
