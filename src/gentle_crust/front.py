"""The door to the network: it takes connections, speaks TLS, and hands what comes to the program behind it.

Every connection is one task of one thread: one that says nothing, or very little, delays nobody. An address may have
so many at once and no more; one that neither asks nor answers is closed.
"""

import asyncio
import contextlib
import logging
import socket
import ssl
import time
from collections import Counter
from collections.abc import Callable, Iterable
from dataclasses import dataclass, field
from typing import Any

LOG = logging.getLogger(__name__)
PIECE = 65_536
WATCH_S = 1.0


@dataclass(frozen=True)
class Bounds:
    """What is allowed: connections of one address and of all, seconds for a handshake, for a request, and between."""

    each: int = 32
    all: int = 512
    handshake_s: float = 8.0
    request_s: float = 20.0
    """So long the head of a request may take to come."""
    idle_s: float = 75.0
    work_s: float = 600.0
    """So long a body may stand still, or the program work on an answer."""


@dataclass(eq=False)
class _Line:
    """One connection: where it comes from, when it last said something, and how much since it was last answered."""

    address: str
    writers: list[asyncio.StreamWriter] = field(default_factory=list)
    asked_at: float = 0.0
    asked_bytes: int = 0
    last_at: float = field(default_factory=time.monotonic)
    answered: bool = False
    whole_head: bool = False

    def heard(self, count: int) -> None:
        """Something came in."""
        self.last_at = time.monotonic()
        if not self.asked_bytes:
            self.asked_at = self.last_at
        self.asked_bytes += count

    def said(self) -> None:
        """Something went out."""
        self.last_at = time.monotonic()
        self.asked_bytes, self.answered = 0, True

    def overdue(self, bounds: Bounds, now: float) -> bool:
        """Whether it is to be closed."""
        if self.asked_bytes and not self.whole_head:
            return now - self.asked_at > bounds.request_s
        if self.asked_bytes:
            return now - self.last_at > bounds.work_s
        return now - self.last_at > (bounds.idle_s if self.answered else bounds.request_s)


class Front:
    """Takes connections at ``listening`` and hands them to the program at a port of this machine."""

    def __init__(
        self,
        listening: socket.socket,
        behind: int,
        context: Callable[[], ssl.SSLContext] | None,
        bounds: Bounds = Bounds(),
    ) -> None:
        self.listening, self.behind, self.context, self.bounds = listening, behind, context, bounds
        self.peers: dict[int, str] = {}
        """Who is behind a connection to the program, by its port on this side."""
        self._there: Counter[str] = Counter()
        self._lines: set[_Line] = set()

    def run(self) -> None:
        """Until it is interrupted."""
        asyncio.run(self._run())

    async def _run(self) -> None:
        loop = asyncio.get_running_loop()
        self.listening.setblocking(False)
        watch = asyncio.create_task(self._watch())
        tasks: set[asyncio.Task[None]] = set()
        try:
            while True:
                try:
                    taken, address = await loop.sock_accept(self.listening)
                except OSError as error:  # out of descriptors: those that are there go on, and end
                    LOG.warning("a connection could not be taken: %s", error)
                    await asyncio.sleep(0.2)
                    continue
                if not self._may_come(address[0]):
                    taken.close()
                    continue
                self._there[address[0]] += 1
                task = asyncio.create_task(self._meet(taken, address[0]))
                tasks.add(task)
                task.add_done_callback(tasks.discard)
        finally:
            watch.cancel()

    def _may_come(self, address: str) -> bool:
        return self._there[address] < self.bounds.each and self._there.total() < self.bounds.all

    async def _meet(self, taken: socket.socket, address: str) -> None:
        line = _Line(address)
        try:
            await self._serve(taken, line)
        except (OSError, ssl.SSLError, TimeoutError, asyncio.IncompleteReadError):
            pass  # whoever it was is gone, or never spoke TLS
        finally:
            self._lines.discard(line)
            for writer in line.writers:
                writer.close()
            self._there[address] -= 1
            if not self._there[address]:
                del self._there[address]

    async def _serve(self, taken: socket.socket, line: _Line) -> None:
        reader, writer = await self._speak(taken)
        line.writers.append(writer)
        self._lines.add(line)
        inside, outward = await asyncio.open_connection("127.0.0.1", self.behind)
        line.writers.append(outward)
        port = outward.get_extra_info("sockname")[1]
        self.peers[port] = line.address
        try:
            both = [
                asyncio.create_task(self._pass(reader, outward, line, asking=True)),
                asyncio.create_task(self._pass(inside, writer, line, asking=False)),
            ]
            await asyncio.wait(both, return_when=asyncio.FIRST_COMPLETED)
            for each in both:
                each.cancel()
            await asyncio.gather(*both, return_exceptions=True)
        finally:
            self.peers.pop(port, None)

    async def _speak(self, taken: socket.socket) -> tuple[asyncio.StreamReader, asyncio.StreamWriter]:
        loop = asyncio.get_running_loop()
        reader = asyncio.StreamReader(limit=PIECE)
        protocol = asyncio.StreamReaderProtocol(reader)
        secured: dict[str, Any] = {}
        if self.context is not None:
            secured = {"ssl": self.context(), "ssl_handshake_timeout": self.bounds.handshake_s}
        transport, _ = await loop.connect_accepted_socket(lambda: protocol, taken, **secured)
        return reader, asyncio.StreamWriter(transport, protocol, reader, loop)

    async def _pass(
        self, source: asyncio.StreamReader, target: asyncio.StreamWriter, line: _Line, asking: bool
    ) -> None:
        """Hand on what comes until it ends."""
        head = b""
        while piece := await source.read(PIECE):
            if asking:
                if not line.asked_bytes:
                    head, line.whole_head = b"", False
                line.heard(len(piece))
                if not line.whole_head:
                    head = (head + piece)[-PIECE:]
                    line.whole_head = b"\r\n\r\n" in head
            else:
                line.said()
            target.write(piece)
            await target.drain()

    async def _watch(self) -> None:
        """Close what is overdue."""
        while True:
            await asyncio.sleep(WATCH_S)
            now = time.monotonic()
            for line in [each for each in self._lines if each.overdue(self.bounds, now)]:
                for writer in line.writers:
                    with contextlib.suppress(OSError):
                        writer.transport.abort()


def knowing_peers(app: Callable[..., Iterable[bytes]], peers: dict[int, str]) -> Callable[..., Iterable[bytes]]:
    """The program, told who is behind each connection that the door handed on."""

    def told(environ: dict[str, Any], start_response: Any) -> Iterable[bytes]:
        address = peers.get(int(environ.get("REMOTE_PORT") or 0))
        if address is not None:
            environ["REMOTE_ADDR"] = address
        return app(environ, start_response)

    return told
