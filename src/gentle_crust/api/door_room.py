"""The door: signing in and out, who is signed in, how a phone comes to trust this kitchen, the calendar's address."""

import hmac
from pathlib import Path
from urllib.parse import quote

from flask import Response, current_app, g, make_response, request

from gentle_crust.api.common import answer, room, work
from gentle_crust.api.culture_room import calendar_response
from gentle_crust.api.guard import COOKIE, door
from gentle_crust.api.refusals import respond
from gentle_crust.config import SHORTEST_PASSCODE
from gentle_crust.contract.door import (
    AddressAnswer,
    DevicesAnswer,
    SignInAnswer,
    SignInBody,
    TrustAnswer,
)
from gentle_crust.contract.strict import KeyPath
from gentle_crust.kitchen.doorway import Doorway
from gentle_crust.lan import CALENDAR, qr_svg, renewed_secret, secret_of
from gentle_crust.store.database import folder_of

entrance = room("door")
LASTS_S = 400 * 86_400
"""Browsers keep no cookie for longer."""


@entrance.post("/sign-in", responses={200: SignInAnswer})
def sign_in(body: SignInBody) -> Response:
    """Let this device in with the passcode; it is told how long to wait after too many wrong ones."""
    at, address = door(), request.remote_addr or ""
    if at.passcode is None:
        return answer(SignInAnswer(needed=False))
    if wait := at.tries.wait_s(address):
        said = f"Too many wrong passcodes came from here. Wait {wait} s, then try again."
        refused = respond(429, "Too many tries", [], said)
        refused.headers["Retry-After"] = str(wait)
        return refused
    if not _same(body.passcode, at.passcode):
        at.tries.add(address)
        return respond(401, "Wrong passcode", [], "That is not the passcode. It stands where the program was started.")
    found = answer(SignInAnswer(needed=True))
    found.set_cookie(
        COOKIE, Doorway(work()).sign_in(body.name), LASTS_S, httponly=True, secure=request.is_secure, samesite="Strict"
    )
    return found


def _same(given: str, passcode: str) -> bool:
    """Whether that is the passcode. How one of letters and figures is spaced or capitalised does not matter."""
    plain = _plain(passcode)
    if len(plain) >= SHORTEST_PASSCODE:
        return hmac.compare_digest(_plain(given).encode(), plain.encode())
    return hmac.compare_digest(given.strip().encode(), passcode.strip().encode())


def _plain(passcode: str) -> str:
    return "".join(each for each in passcode.lower() if each.isalnum())


@entrance.post("/sign-out", responses={200: SignInAnswer})
def sign_out() -> Response:
    """This device is let in no more."""
    if g.get("device"):
        Doorway(work()).show_out(g.device)
    found = answer(SignInAnswer(needed=True))
    found.delete_cookie(COOKIE)
    return found


@entrance.get("/devices", responses={200: DevicesAnswer})
def devices() -> Response:
    """Devices that are signed in."""
    return _devices()


@entrance.delete("/devices/<key>", responses={200: DevicesAnswer})
def show_out(path: KeyPath) -> Response:
    """A device that is let in no more."""
    Doorway(work()).show_out(path.key)
    return _devices()


def _devices() -> Response:
    found = Doorway(work()).all(g.get("device"))
    return answer(DevicesAnswer(devices=list(found), needed=door().passcode is not None))


@entrance.get("/trust", responses={200: TrustAnswer})
def trust() -> Response:
    """How a phone comes to trust this kitchen: where it is served, and how its authority is told from another."""
    made = current_app.extensions.get("gentle_crust_authority")
    address = current_app.extensions.get("gentle_crust_lan", "")
    if made is None:
        return answer(TrustAnswer(served=False))
    return answer(
        TrustAnswer(
            served=True,
            address=address,
            qr=qr_svg(f"{address}trust"),
            fingerprint=made.fingerprint,
            until=made.until,
            names=list(made.names),
        )
    )


@entrance.get("/trust/authority.crt")
def authority() -> Response:
    """The certificate that a phone is to trust; it holds nothing secret."""
    made = current_app.extensions.get("gentle_crust_authority")
    if made is None:
        return respond(404, "Not here", [], "This kitchen is not served to the network.")
    from gentle_crust.authority import certificate_text

    found = Response(certificate_text(made.certificate), content_type="application/x-x509-ca-cert")
    found.headers["Content-Disposition"] = 'attachment; filename="gentle-crust-kitchen.crt"'
    return found


@entrance.get("/calendar-address", responses={200: AddressAnswer})
def calendar_address() -> Response:
    """The secret address that a calendar subscribes to."""
    return _address(secret_of(_folder(), CALENDAR))


@entrance.post("/calendar-address", responses={200: AddressAnswer})
def new_calendar_address() -> Response:
    """Another secret address; the one before leads nowhere any more."""
    return _address(renewed_secret(_folder(), CALENDAR))


def _folder() -> Path:
    return folder_of(current_app.extensions["gentle_crust_store"])


def _address(secret: str) -> Response:
    return answer(AddressAnswer(path=f"/calendar/{quote(secret)}.ics"))


def secret_calendar(secret: str) -> Response:
    """The calendar, for whoever knows its address."""
    address, tries = request.remote_addr or "", door().tries
    if tries.wait_s(address):
        return respond(429, "Too many tries", [], "Wait a minute.")
    if not hmac.compare_digest(secret.encode(), secret_of(_folder(), CALENDAR).encode()):
        tries.add(address)
        return respond(404, "Not here", [], "There is no calendar at this address.")
    with work().read():
        return make_response(calendar_response(None))
