"""The stand-ins over HTTP: JSON to ask, server-sent events to listen, and a way to do things to the dough."""

import json
import threading
import time
from collections import deque
from collections.abc import Iterator
from dataclasses import asdict
from datetime import timedelta
from typing import Any

from flask import Flask, Response, request

from gentle_crust.core.errors import CraftError, Unreadable
from gentle_crust.devices.simulation import Faults, SimKitchen
from gentle_crust.hosts import host_of, known_host
from gentle_crust.kitchen.now import Now, rate_of
from gentle_crust.text.render import say

KEPT = 5000
MOST_LISTENERS, THREADS = 8, 16
"""Listeners hold a thread each: others are left for whoever asks."""
LARGEST_REQUEST = 100_000
EVERY_S, FASTEST_S = 60.0, 0.25
"""A figure a minute of the played clock, and no more than four times a real second."""


class Instruments:
    """Reads the played kitchen at regular times and remembers what was shown, each figure under a growing number."""

    def __init__(self, kitchen: SimKitchen, now: Now) -> None:
        self.kitchen, self.now = kitchen, now
        self.shown: deque[dict[str, Any]] = deque(maxlen=KEPT)
        self.count = 0
        self.changed = threading.Condition()

    def read(self) -> None:
        """Read every instrument once."""
        with self.changed:
            now = self.now()
            at = now + timedelta(seconds=self.kitchen.faults.skew_s)
            for device, quantity, value in self.kitchen.figures(now):
                self.count += 1
                self.shown.append(
                    {"id": self.count, "device": device, "quantity": quantity, "at": at.isoformat(), "value": value}
                )
            self.changed.notify_all()

    def since(self, cursor: int) -> list[dict[str, Any]]:
        """Figures after a number."""
        return [each for each in self.shown if each["id"] > cursor]

    def sent_at(self) -> str:
        """What the instruments' own clock says."""
        return (self.now() + timedelta(seconds=self.kitchen.faults.skew_s)).isoformat()

    def go(self) -> None:
        """Read for ever."""
        pause = max(EVERY_S / max(rate_of(self.now), 1e-6), FASTEST_S)
        while True:
            self.read()
            time.sleep(min(pause, EVERY_S))


def create_devices(instruments: Instruments, listening: str = "127.0.0.1") -> Flask:
    """The stand-ins as an application; ``listening`` is the address it will be served at."""
    app = Flask("gentle_crust_devices", static_folder=None)
    app.config["MAX_CONTENT_LENGTH"] = LARGEST_REQUEST
    places = threading.BoundedSemaphore(MOST_LISTENERS)

    @app.before_request
    def check() -> tuple[dict[str, str], int] | None:
        if not known_host(request.host, listening):
            return {"detail": "This address is not one of the instruments' own."}, 421
        origin = request.headers.get("Origin")
        if request.method not in ("GET", "HEAD") and origin and host_of(origin) != request.host:
            return {"detail": "Changes are not taken from pages elsewhere."}, 403
        return None

    @app.errorhandler(CraftError)
    def refused(error: CraftError) -> tuple[dict[str, str], int]:
        return {"field": error.field, "detail": str(say(error.what))}, 422

    @app.get("/devices")
    def devices() -> dict[str, Any]:
        seen = {(each["device"], each["quantity"]) for each in instruments.shown}
        return {"devices": [{"device": device, "quantity": quantity} for device, quantity in sorted(seen)]}

    @app.get("/figures")
    def figures() -> dict[str, Any]:
        since = request.args.get("since", default=0, type=int)
        return {"sent_at": instruments.sent_at(), "figures": instruments.since(since)}

    @app.get("/stream")
    def stream() -> Response:
        last = request.headers.get("Last-Event-ID", request.args.get("since", "0"))
        if not places.acquire(blocking=False):
            detail = f"{MOST_LISTENERS} listen already. End one of them, or ask at /figures."
            return Response(json.dumps({"detail": detail}), status=503, content_type="application/json")
        events = _events(instruments, int(last) if last.isdigit() else 0)
        found = Response(events, content_type="text/event-stream")
        found.call_on_close(places.release)
        return found

    @app.post("/dough")
    def do() -> dict[str, Any]:
        body = request.get_json(force=True, silent=True) or {}
        instruments.kitchen.do(body.get("do", ""), instruments.now())
        instruments.read()
        return {"done": [[deed, at.isoformat()] for deed, at in instruments.kitchen.done]}

    @app.post("/faults")
    def faults() -> dict[str, Any]:
        body = request.get_json(force=True, silent=True) or {}
        unknown = set(body) - set(asdict(Faults()))
        if unknown:
            raise Unreadable(
                "faults", "devices-fault-unknown", unknown=tuple(sorted(unknown)), names=tuple(asdict(Faults()))
            )
        instruments.kitchen.break_(**body)
        return asdict(instruments.kitchen.faults)

    @app.get("/truth")
    def truth() -> dict[str, Any]:
        dough = instruments.kitchen.dough_at(instruments.now())
        return {"dough_c": dough[0] if dough else None, "rise": dough[1] if dough else None}

    return app


def _events(instruments: Instruments, cursor: int) -> Iterator[str]:
    """Server-sent events: each figure as it comes, a comment now and then so that a lost line is noticed."""
    yield ": listening\n\n"
    while True:
        with instruments.changed:
            fresh = instruments.since(cursor)
            if not fresh:
                instruments.changed.wait(timeout=10)
                fresh = instruments.since(cursor)
        sent_at = instruments.sent_at()
        for each in fresh:
            cursor = each["id"]
            data = json.dumps({**each, "sent_at": sent_at})
            yield f"id: {cursor}\nevent: figure\ndata: {data}\n\n"
        if not fresh:
            yield ": still here\n\n"
