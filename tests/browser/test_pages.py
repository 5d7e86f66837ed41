"""What tests share keeps nothing of one test for the next."""

import urllib.request

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


def test_one_application_is_served_at_an_address_and_after_it_the_next(pages, client):
    def saying(word):
        return lambda _environ, start: (start("200 OK", []), [word])[1]

    def heard(address):
        with urllib.request.urlopen(address, timeout=20) as answer:
            return answer.read()

    with pages.served(saying(b"one")) as one, pages.served(saying(b"other")) as other:
        assert (heard(one), heard(other)) == (b"one", b"other")
    with pages.served(client.application) as again:
        assert again in (one, other) and b"settings" in heard(f"{again}/api/kitchen")
