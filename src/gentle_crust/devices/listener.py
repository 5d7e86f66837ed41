"""Listens to instruments that send server-sent events, and keeps their figures; goes on after any interruption."""

import json
import logging
import threading
from collections.abc import Iterator
from datetime import datetime, timedelta
from http.client import HTTPException
from urllib.request import Request, urlopen

from sqlalchemy.orm import Session, sessionmaker

from gentle_crust.core.errors import CraftError
from gentle_crust.kitchen.instruments import Instruments
from gentle_crust.kitchen.now import Now
from gentle_crust.kitchen.story import FAR_AHEAD
from gentle_crust.kitchen.work import Work

RETRY_S = (1.0, 2.0, 5.0, 10.0)
SILENCE_S = 30.0
Figure = tuple[str, str, datetime, float]
log = logging.getLogger(__name__)


def figures_in(lines: Iterator[bytes], now: datetime | None = None) -> Iterator[tuple[str, dict[str, object]]]:
    """Events of a stream: their ids and data. Comments and what cannot be read are passed over."""
    key, data = "", []
    for raw in lines:
        line = raw.decode("utf-8", "replace").rstrip("\r\n")
        if line.startswith("id:"):
            key = line[3:].strip()
        elif line.startswith("data:"):
            data.append(line[5:].strip())
        elif not line and data:
            try:
                found = json.loads("\n".join(data))
            except ValueError:
                found = None
            if isinstance(found, dict):
                yield key, found
            data = []


class Listener:
    """One source of figures."""

    def __init__(self, address: str, sessions: sessionmaker[Session], now: Now) -> None:
        self.address, self.sessions, self.now = address.rstrip("/"), sessions, now
        self.last = "0"
        self.stopped = threading.Event()

    def start(self) -> None:
        """Listen in the background."""
        threading.Thread(target=self._go, name="instruments", daemon=True).start()

    def _go(self) -> None:
        failed = 0
        while not self.stopped.is_set():
            try:
                self.listen_once()
                failed = 0
            except (OSError, HTTPException, ValueError) as error:
                if not failed:
                    log.warning(
                        "Instruments at %s do not answer (%s); trying again.", self.address, type(error).__name__
                    )
                self.stopped.wait(RETRY_S[min(failed, len(RETRY_S) - 1)])
                failed += 1

    def listen_once(self) -> None:
        """Listen until the stream ends; what is known already comes once more and adds nothing."""
        asked = Request(f"{self.address}/stream", headers={"Last-Event-ID": self.last, "Accept": "text/event-stream"})  # noqa: S310
        with urlopen(asked, timeout=SILENCE_S) as stream:  # noqa: S310 - the baker gave the address
            for key, data in figures_in(iter(stream.readline, b"")):
                self.keep(data)
                self.last = key or self.last
                if self.stopped.is_set():
                    return

    def keep(self, data: dict[str, object]) -> None:
        """Keep one figure, its time put right by what the instrument's clock says now."""
        try:
            at, sent = (datetime.fromisoformat(str(data[name])) for name in ("at", "sent_at"))
            value = float(str(data["value"]))
            off = sent - self.now()
            off = off if abs(off) > FAR_AHEAD else timedelta(0)
            figure = (str(data["device"])[:60], str(data["quantity"]), min(at - off, self.now()), value)
            Instruments(Work(self.sessions, self.now)).take([figure])
        except (CraftError, KeyError, ValueError, TypeError) as error:
            log.warning("A figure was passed over: %s", type(error).__name__)
