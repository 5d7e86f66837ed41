"""What tests share keeps nothing of one test for the next."""

import pytest

from tests.browser.conftest import DESK

pytestmark = pytest.mark.browser
LEFT = """async () => {
  localStorage.setItem('left', 'here')
  document.cookie = 'left=here'
  await new Promise((done) => { indexedDB.open('left').onsuccess = done })
}"""
FOUND = """async () => [
  localStorage.getItem('left'), document.cookie, (await indexedDB.databases()).some((each) => each.name === 'left'),
]"""


def test_a_context_that_is_lent_again_is_empty(pages, address):
    with pages.contexts() as context:
        first = context(DESK)
        page = first.new_page()
        page.goto(f"{address}/water")
        page.evaluate(LEFT)
        assert page.evaluate(FOUND) == ["here", "left=here", True]
        first.set_offline(True)
    with pages.contexts() as context:
        again, another = context(DESK), context(DESK)
        assert again is first and another is not first and not again.pages
        page = again.new_page()
        page.goto(f"{address}/water")
        assert page.evaluate(FOUND) == [None, "", False]


def test_one_that_is_served_elsewhere_is_another(pages, client):
    """While one application is served at an address, no other is; afterwards the next one is."""
    app = client.application
    with pages.served(app) as one, pages.served(lambda *_: []) as other:
        assert one != other
    with pages.served(app) as again:
        assert again in (one, other) and client.get("/api/kitchen").status_code == 200
