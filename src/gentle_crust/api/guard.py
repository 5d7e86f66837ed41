"""Who may speak to the program: known hosts, same origin, and the passcode where one is set."""

import hmac
import ipaddress
import time
from collections import deque
from urllib.parse import urlsplit

from flask import Flask, Response, request

from gentle_crust.api.refusals import respond

MOST_FAILURES, FAILURES_S = 12, 60.0
HEADERS = {
    "Content-Security-Policy": "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; "
    "frame-ancestors 'none'; base-uri 'none'; form-action 'self'",
    "X-Content-Type-Options": "nosniff",
    "Referrer-Policy": "no-referrer",
    "Cross-Origin-Opener-Policy": "same-origin",
}


def is_loopback(host: str) -> bool:
    """Whether an address to listen on is reached from this machine only."""
    if host == "localhost":
        return True
    try:
        return ipaddress.ip_address(host).is_loopback
    except ValueError:
        return False


def _known_host(header: str, listening: str) -> bool:
    """Whether the Host header may name this program; other names would let a page elsewhere rebind to it."""
    try:
        name = urlsplit(f"//{header}").hostname or ""
    except ValueError:
        return False
    if is_loopback(name) or name == listening:
        return True
    if is_loopback(listening):
        return False
    try:
        ipaddress.ip_address(name)
    except ValueError:
        return False
    return True


def _host_of(origin: str) -> str:
    """Host and port of an origin; empty of what is none."""
    try:
        return urlsplit(origin).netloc
    except ValueError:
        return ""


class _Failures:
    """Wrong passcodes of the last minute: guessing is slow."""

    def __init__(self) -> None:
        self.times: deque[float] = deque(maxlen=MOST_FAILURES)

    def add(self, failed: bool) -> None:
        """Count one, if something was given at all."""
        if failed:
            self.times.append(time.monotonic())

    def too_many(self) -> bool:
        """Whether so many failed lately that nobody is let in for now."""
        return len(self.times) == MOST_FAILURES and time.monotonic() - self.times[0] < FAILURES_S


def protect(app: Flask, listening: str, passcode: str | None) -> None:
    """Check every request before it reaches a room, and set headers on every answer."""
    failures = _Failures()

    @app.before_request
    def check() -> Response | None:
        if not _known_host(request.host, listening):
            return respond(421, "Unknown host", [], "This address is not one of the program's own.")
        origin = request.headers.get("Origin")
        if request.method not in ("GET", "HEAD") and origin and _host_of(origin) != request.host:
            return respond(403, "Another origin", [], "Changes are taken from the program's own pages only.")
        if passcode is not None:
            given = request.authorization.password if request.authorization else None
            if given and failures.too_many():
                return respond(429, "Too many tries", [], "Wait a minute, then give the passcode.")
            if not given or not hmac.compare_digest(given.encode(), passcode.encode()):
                failures.add(bool(given))
                refused = respond(401, "Passcode wanted", [], "Give the passcode as the password; any name will do.")
                refused.headers["WWW-Authenticate"] = 'Basic realm="Gentle Crust", charset="UTF-8"'
                return refused
        return None

    @app.after_request
    def head(response: Response) -> Response:
        response.headers.update(HEADERS)
        if request.path.startswith("/api/"):
            response.headers["Cache-Control"] = "no-store"
        return response
