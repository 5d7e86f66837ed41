"""Signing in, trusting, subscribing: as it is asked and shown."""

from dataclasses import dataclass
from datetime import datetime

from gentle_crust.contract.strict import Short, Shown, Strict


@dataclass(frozen=True)
class SignedIn:
    """A device that was let in: when, when it was seen last, and whether it is the one that asks."""

    id: str
    name: str
    signed_in: datetime
    seen: datetime
    mine: bool


class SignInBody(Strict):
    """The passcode, and what the device is to be called."""

    passcode: Short
    name: Short = ""


class SignInAnswer(Shown):
    """Whether this kitchen wants a passcode at all."""

    needed: bool


class DevicesAnswer(Shown):
    """Devices that are signed in, the one seen last first."""

    devices: list[SignedIn]
    needed: bool


class TrustAnswer(Shown):
    """Where the kitchen is served to the network, and the authority that a phone is asked to trust."""

    served: bool
    address: str = ""
    qr: str = ""
    fingerprint: str = ""
    until: datetime | None = None
    names: list[str] = []


class AddressAnswer(Shown):
    """The path of a secret address of this kitchen."""

    path: str
