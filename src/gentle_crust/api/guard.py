"""Who may speak to the program: known hosts, same origin, and the passcode where one is set."""

import hmac
import ipaddress
from urllib.parse import urlsplit

from flask import Flask, Response, request

from gentle_crust.api.refusals import respond

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
    name = urlsplit(f"//{header}").hostname or ""
    if is_loopback(name) or name == listening:
        return True
    if is_loopback(listening):
        return False
    try:
        ipaddress.ip_address(name)
    except ValueError:
        return False
    return True


def protect(app: Flask, listening: str, passcode: str | None) -> None:
    """Check every request before it reaches a room, and set headers on every answer."""

    @app.before_request
    def check() -> Response | None:
        if not _known_host(request.host, listening):
            return respond(421, "Unknown host", [], "This address is not one of the program's own.")
        origin = request.headers.get("Origin")
        if request.method not in ("GET", "HEAD") and origin and urlsplit(origin).netloc != request.host:
            return respond(403, "Another origin", [], "Changes are taken from the program's own pages only.")
        if passcode is not None:
            given = request.authorization.password if request.authorization else None
            if not given or not hmac.compare_digest(given.encode(), passcode.encode()):
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
