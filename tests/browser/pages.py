"""Servers and browser contexts that outlive a test.

A page that is opened at an address where another was before finds its scripts compiled; that is half of what opening
costs. So each test gets an address and contexts that the last one left, with nothing of it kept in them.
"""

from contextlib import contextmanager
from threading import Thread

from playwright.sync_api import Error
from waitress import create_server

KEPT = "cookies,local_storage,indexeddb,cache_storage,service_workers"
"""All that a page can leave behind for the next one at its address."""
CALM = {"service_workers": "block", "reduced_motion": "reduce"}
"""Pages without a worker and without motion, which takes a sixth of a test's time, where a test wants no other."""


class Door:
    """An address at which one application after the other is served.

    Its server is left to a daemon thread: closing its sockets from here would free numbers that the next data file
    gets, while that thread still writes to them.
    """

    def __init__(self) -> None:
        self.app = None
        server = create_server(lambda *asked: self.app(*asked), host="127.0.0.1", port=0, threads=12)
        Thread(target=server.run, daemon=True).start()
        self.address = f"http://127.0.0.1:{server.effective_port}"


class Pages:
    """Addresses and contexts of one browser, lent to tests."""

    def __init__(self, browser) -> None:
        self.browser, self.addresses, self.doors, self.idle = browser, [], [], {}

    @contextmanager
    def served(self, app):
        """An address at which nobody else serves, until this ends."""
        door = self.doors.pop() if self.doors else Door()
        door.app = app
        if door.address not in self.addresses:
            self.addresses.append(door.address)
        try:
            yield door.address
        finally:
            self.doors.append(door)

    @contextmanager
    def contexts(self):
        """A function that opens contexts, which are taken back, and emptied, when this ends."""
        lent = []

        def opened(viewport, **more):
            options = {"viewport": viewport} | CALM | more
            key = str(sorted(options.items()))
            waiting = self.idle.setdefault(key, [])
            context = waiting.pop() if waiting else self.browser.new_context(**options)
            lent.append((key, context))
            return context

        try:
            yield opened
        finally:
            for key, context in lent:
                if "'allow'" not in key and context.pages and self._emptied(context):
                    self.idle[key].append(context)
                else:
                    context.close()

    def _emptied(self, context):
        """Whether its pages are closed, and all that they kept forgotten."""
        try:
            context.set_offline(False)
            page, *others = context.pages
            for other in others:
                other.close()
            page.goto("about:blank")
            session = context.new_cdp_session(page)
            for address in self.addresses:
                session.send("Storage.clearDataForOrigin", {"origin": address, "storageTypes": KEPT})
            page.close()
        except Error:
            return False
        return True
