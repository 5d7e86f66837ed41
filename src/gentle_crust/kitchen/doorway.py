"""Who is let in from the network: each device signs in once with the passcode, is listed, and can be shown out."""

import hashlib
import secrets
import uuid
from datetime import timedelta

from gentle_crust.contract.door import SignedIn
from gentle_crust.core.errors import NotFound
from gentle_crust.kitchen.work import Work
from gentle_crust.store.models import DeviceRow
from gentle_crust.store.repositories import Devices

SEEN_EVERY = timedelta(hours=1)
"""When it was seen last is written no more often."""


def _hash(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()


class Doorway:
    """Devices that were let in."""

    def __init__(self, work: Work) -> None:
        self.work, self.now = work, work.now

    def sign_in(self, name: str) -> str:
        """Let a device in for good; the token that it shows from now on, which is kept nowhere here."""
        token, now = secrets.token_urlsafe(32), self.now()
        row = DeviceRow(
            id=str(uuid.uuid4()), token=_hash(token), name=name.strip()[:60] or "A device", signed_in=now, seen=now
        )
        with self.work.write() as session:
            Devices(session).add(row)
        return token

    def whose(self, token: str) -> str | None:
        """The key of the device that shows a token; None for one that is not let in, or no more."""
        with self.work.read() as session:
            row = Devices(session).of_token(_hash(token))
        if row is None:
            return None
        if self.now() - row.seen > SEEN_EVERY:
            with self.work.write() as session:
                found = Devices(session).of_token(row.token)
                if found is not None:
                    found.seen = self.now()
        return row.id

    def all(self, mine: str | None) -> tuple[SignedIn, ...]:
        """Those that may come in; ``mine`` is the one that asks."""
        with self.work.read() as session:
            rows = Devices(session).all()
        return tuple(SignedIn(row.id, row.name, row.signed_in, row.seen, row.id == mine) for row in rows)

    def show_out(self, key: str) -> None:
        """Let a device in no more: it has to give the passcode again. NotFound if there is none of that key."""
        with self.work.write() as session:
            row = Devices(session).get(key)
            if row is None or row.revoked is not None:
                raise NotFound("id", "kitchen-device-unknown")
            row.revoked = self.now()
