"""The program on the kitchen's own network: the door in front, what secures it, and the program behind."""

import logging
import socket
import ssl
import time
from pathlib import Path
from threading import Thread
from typing import Any

from gentle_crust import authority, lan
from gentle_crust.front import Bounds, Front, knowing_peers
from gentle_crust.store.database import CannotOpen

LOG = logging.getLogger(__name__)
CONNECTIONS = 1000
LOOKED_EVERY_S = 3600.0
"""So often it is looked whether the certificate is to be made anew."""


def behind(app: Any, host: str = "127.0.0.1", port: int = 0, **more: Any) -> Any:
    """The program as a server. It reads requests whole before one of its threads takes them: slow ones delay nobody."""
    from waitress import create_server

    return create_server(
        app, host=host, port=port, threads=8, max_request_body_size=1 << 33, connection_limit=CONNECTIONS,
        channel_timeout=60, cleanup_interval=10, asyncore_use_poll=True, **more,
    )  # fmt: skip


class Secured:
    """How connections are secured: the kitchen's certificate, made anew by itself before it ends."""

    def __init__(self, folder: Path, called: tuple[str, ...]) -> None:
        self.folder, self.called = folder, called
        self.replaced = (folder / authority.AUTHORITY).exists()
        """Whether phones that trusted this kitchen have to do so once more."""
        try:
            self.authority = authority.authority_for(folder, called)
            self._load()
        except (ValueError, TypeError, ssl.SSLError) as error:
            raise CannotOpen(
                f"the certificates in {folder} cannot be used ({error}). Remove the four files whose names begin with\n"
                "lan-authority, lan-certificate and lan-key: new ones are made at the next start, and phones are\n"
                "asked to trust this kitchen once more."
            ) from error
        self.replaced = self.replaced and self.authority.new

    def _load(self) -> None:
        made = authority.certificate_for(self.folder, self.called)
        context = ssl.SSLContext(ssl.PROTOCOL_TLS_SERVER)
        context.minimum_version = ssl.TLSVersion.TLSv1_2
        context.load_cert_chain(made.certificate, made.key)
        self._context, self._looked = context, time.monotonic()

    def context(self) -> ssl.SSLContext:
        """For a connection that comes now; what was good goes on if its files can no longer be read."""
        if time.monotonic() - self._looked > LOOKED_EVERY_S:
            self._looked = time.monotonic()
            try:
                self._load()
            except (OSError, ValueError, TypeError):
                LOG.exception("the certificate could not be looked at")
        return self._context


class OnNetwork:
    """An application that is reached over HTTPS at ``host``, by whatever this machine is ``reached`` as.

    Raises CannotOpen if its certificates cannot be used, OSError if the port cannot.
    """

    def __init__(
        self,
        app: Any,
        folder: Path,
        host: str,
        port: int,
        reached: tuple[str, ...],
        bounds: Bounds = Bounds(),  # noqa: B008 - frozen
    ) -> None:
        self.secured = Secured(folder, lan.names(reached))
        listening = socket.create_server((host, port), backlog=256)
        self.port = listening.getsockname()[1]
        self.address = f"https://{reached[0]}:{self.port}/"
        self._inner = behind(app, url_scheme="https")
        self._front = Front(listening, self._inner.effective_port, self.secured.context, bounds)
        self._inner.application = knowing_peers(app, self._front.peers)
        app.extensions["gentle_crust_lan"] = self.address
        app.extensions["gentle_crust_authority"] = self.secured.authority
        app.extensions["gentle_crust_names"] = self.secured.authority.names

    def run(self) -> None:
        """Until it is interrupted."""
        Thread(target=self._inner.run, daemon=True).start()
        self._front.run()
