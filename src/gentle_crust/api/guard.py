"""Who may speak to the program: known hosts, same origin, and devices that signed in where a passcode is set."""

import math
import time
from collections import OrderedDict, deque
from dataclasses import dataclass

from flask import Flask, Response, current_app, g, request

from gentle_crust.api.common import work
from gentle_crust.api.refusals import respond
from gentle_crust.hosts import host_of, known_host
from gentle_crust.kitchen.doorway import Doorway

MOST_FAILURES, FAILURES_S, MOST_ADDRESSES = 6, 60.0, 1000
COOKIE = "gentle_crust_device"
OPEN = frozenset(("/api/sign-in", "/api/trust", "/api/trust/authority.crt"))
"""What is asked before a device is signed in."""
HEADERS = {
    "Content-Security-Policy": "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; "
    "frame-ancestors 'none'; base-uri 'none'; form-action 'self'; object-src 'none'",
    "X-Content-Type-Options": "nosniff",
    "Referrer-Policy": "no-referrer",
    "Cross-Origin-Opener-Policy": "same-origin",
    "Cross-Origin-Resource-Policy": "same-origin",
    "X-Frame-Options": "DENY",
    "Permissions-Policy": "camera=(self), screen-wake-lock=(self), geolocation=(), microphone=(), payment=(), usb=()",
}


class Tries:
    """Wrong passcodes by the address that they came from: guessing is slow, and slows nobody else."""

    def __init__(self) -> None:
        self.failed: OrderedDict[str, deque[float]] = OrderedDict()

    def add(self, address: str) -> None:
        """One more was wrong."""
        self.failed.setdefault(address, deque(maxlen=MOST_FAILURES)).append(time.monotonic())
        self.failed.move_to_end(address)
        while len(self.failed) > MOST_ADDRESSES:
            self.failed.popitem(last=False)

    def wait_s(self, address: str) -> int:
        """Seconds until that address may try again; 0 if it may now."""
        times = self.failed.get(address, ())
        if len(times) < MOST_FAILURES:
            return 0
        return max(math.ceil(FAILURES_S - (time.monotonic() - times[0])), 0)


@dataclass(frozen=True)
class Door:
    """What the door of a running program goes by."""

    passcode: str | None
    tries: Tries


def door() -> Door:
    """The application's door."""
    found: Door = current_app.extensions["gentle_crust_door"]
    return found


def _open(path: str) -> bool:
    """Whether that is for everybody: the program's own files hold nothing of the baker's."""
    return not path.startswith("/api/") or path in OPEN


def protect(app: Flask, listening: str, passcode: str | None) -> None:
    """Check every request before it reaches a room, and set headers on every answer."""
    app.extensions["gentle_crust_door"] = Door(passcode, Tries())

    @app.before_request
    def check() -> Response | None:
        own = app.extensions.get("gentle_crust_names", ())
        if not known_host(request.host, listening, own):
            return respond(421, "Unknown host", [], "This address is not one of the program's own.")
        origin = request.headers.get("Origin")
        if request.method not in ("GET", "HEAD") and origin and host_of(origin) != request.host:
            return respond(403, "Another origin", [], "Changes are taken from the program's own pages only.")
        if passcode is None or _open(request.path):
            return None
        g.device = Doorway(work()).whose(request.cookies.get(COOKIE, ""))
        if g.device is None:
            return respond(401, "Sign in", [], "This device is not signed in. Give the kitchen's passcode.")
        return None

    @app.after_request
    def head(response: Response) -> Response:
        response.headers.update(HEADERS)
        if request.path.startswith(("/api/", "/calendar/")):
            response.headers["Cache-Control"] = "no-store"
        return response
