"""Serving a folder of data: to this machine, or to whoever is on the network and has the passcode."""

import os
import signal
import ssl
import sys
from contextlib import ExitStack
from dataclasses import dataclass, field
from pathlib import Path
from threading import Event, Thread
from typing import Any

from gentle_crust.config import SHORTEST_PASSCODE, Config
from gentle_crust.store.database import CannotOpen

REFUSED = 2


@dataclass(frozen=True)
class Serving:
    """How to serve."""

    folder: Path
    host: str
    port: int
    demo: bool = False
    reset: bool = False
    empty_bench: bool = False
    over_lan: bool = False
    instruments: list[str] = field(default_factory=list)


def serve(asked: Serving, config: Config) -> int:
    """Serve until stopped. Every start that cannot be is one sentence with the way out, and exit status 2."""
    os.umask(0o077)
    try:
        with ExitStack() as stack:
            return _serve(asked, config, stack)
    except CannotOpen as error:
        print(f"Not served: {error}", file=sys.stderr)
        return REFUSED


def _serve(asked: Serving, config: Config, stack: ExitStack) -> int:
    from gentle_crust import lan
    from gentle_crust.api.app import create_app
    from gentle_crust.api.guard import is_loopback
    from gentle_crust.kitchen.now import clock_of
    from gentle_crust.kitchen.photos import PhotoShelf
    from gentle_crust.kitchen.thinning import thin
    from gentle_crust.kitchen.work import Work
    from gentle_crust.store.backup import sweep
    from gentle_crust.store.copies import DailyCopies
    from gentle_crust.store.database import make_folder, open_store
    from gentle_crust.store.lock import locked

    folder = asked.folder
    now = clock_of(config.now, config.rate)
    make_folder(folder)
    stack.enter_context(locked(folder))
    if asked.demo:
        _prepare_demo(asked)
    passcode = config.passcode.get_secret_value() if config.passcode else None
    passcode = passcode or (lan.passcode_of(folder) if asked.over_lan else None)
    if not is_loopback(asked.host) and (passcode is None or len(passcode) < SHORTEST_PASSCODE):
        raise CannotOpen(
            f"{asked.host} can be reached by others, and there is no passcode.\n"
            "Serve with --lan, which makes a passcode and a certificate; or set GENTLE_CRUST_PASSCODE to eight\n"
            "characters or more, or serve at 127.0.0.1."
        )
    sweep(folder)
    sessions = open_store(folder)
    stack.callback(_close, sessions)
    PhotoShelf(folder).sweep(Work(sessions, now))
    _fill(asked, sessions, now)
    _listen(asked.instruments, sessions, now)
    app = create_app(sessions, now, asked.host, passcode)
    _warm_when_visited(app)
    copies = DailyCopies(folder, now, config.copies_bytes, lambda: thin(Work(sessions, now)))
    copies.start()
    stack.callback(copies.stop)
    signal.signal(signal.SIGTERM, _stop)
    if asked.over_lan:
        return _serve_lan(app, asked, passcode or "")
    return _serve_here(app, asked)


def _warm_when_visited(app: Any) -> None:
    """Once somebody is there, load what reckons: no question waits for it, and nobody who asks none pays for it."""
    begun = Event()

    def visited(response: Any) -> Any:
        if not begun.is_set():
            begun.set()
            Thread(target=_warm, daemon=True).start()
        return response

    app.after_request(visited)


def _warm() -> None:
    from gentle_crust.core.oven.warm import warm
    from gentle_crust.interchange.recipe_text import warm_up

    warm()
    warm_up()


def _stop(_signal: int, _frame: object) -> None:
    """End as with Ctrl-C, so that the data file is closed and whole in itself."""
    raise KeyboardInterrupt


def _close(sessions: Any) -> None:
    """Write everything from the file's log into the file itself."""
    engine = sessions.kw["bind"]
    engine.dispose()
    with engine.connect() as connection:
        connection.connection.cursor().execute("PRAGMA wal_checkpoint(TRUNCATE)")
    engine.dispose()


def _prepare_demo(asked: Serving) -> None:
    from gentle_crust import demo

    if asked.reset:
        demo.reset(asked.folder)
    demo.mark(asked.folder)


def _fill(asked: Serving, sessions: Any, now: Any) -> None:
    from gentle_crust import demo
    from gentle_crust.demo.doughs import begin_doughs

    if not asked.demo:
        demo.start_formulas(sessions, now)
        return
    demo.fill(sessions, now)
    if not asked.empty_bench:
        demo.plan_ahead(sessions, now)
        begin_doughs(sessions, now)


def _port_taken(port: int, error: OSError) -> CannotOpen:
    return CannotOpen(f"Port {port} cannot be used ({error.strerror or error}). Give another with --port.")


def _serve_here(app: Any, asked: Serving) -> int:
    from waitress import create_server

    try:
        server = create_server(app, host=asked.host, port=asked.port, threads=8, max_request_body_size=1 << 33)
    except OSError as error:
        raise _port_taken(asked.port, error) from error
    shown = f"[{asked.host}]" if ":" in asked.host else asked.host
    print(f"Gentle Crust is at http://{shown}:{server.effective_port}/", flush=True)
    print(f"Data: {asked.folder}. Stop with Ctrl-C.", flush=True)
    server.run()
    return 0


def _listen(addresses: list[str], sessions: Any, now: Any) -> None:
    """Listen to instruments in the background."""
    from gentle_crust.devices.listener import Listener

    for address in addresses:
        if not address.startswith(("http://", "https://")):
            raise CannotOpen(f"{address} is not an address of instruments; write it as http://127.0.0.1:8418.")
        Listener(address, sessions, now).start()


def _serve_lan(app: Any, asked: Serving, passcode: str) -> int:
    """Serve over HTTPS to whoever is on the network and has the passcode."""
    from cheroot.ssl.builtin import BuiltinSSLAdapter
    from cheroot.wsgi import Server

    from gentle_crust import lan

    reached = lan.addresses() if asked.host == "0.0.0.0" else (asked.host,)  # noqa: S104 - the baker asked for it
    if not reached:
        raise CannotOpen("this machine has no address on a network. Join one, then start again.")
    try:
        made = lan.certificate_for(asked.folder, reached)
        adapter = BuiltinSSLAdapter(str(made.certificate), str(made.key))
    except (ValueError, ssl.SSLError) as error:
        raise CannotOpen(
            f"the certificate in {asked.folder} cannot be used ({error}). Remove {lan.CERTIFICATE} and {lan.KEY}\n"
            "there: new ones are made at the next start. The phone will ask once more whether it trusts them."
        ) from error
    server = Server((asked.host, asked.port), app, numthreads=10, request_queue_size=32)
    server.ssl_adapter = adapter
    try:
        server.prepare()
    except OSError as error:
        raise _port_taken(asked.port, error) from error
    address = f"https://{reached[0]}:{server.bind_addr[1]}/"
    app.extensions["gentle_crust_lan"] = address
    print(f"Gentle Crust is at {address}", flush=True)
    if sys.stdout.isatty():
        print(lan.qr_in_terminal(address))
        print(f"Passcode: {passcode}   (any name will do)")
    print(f"The passcode is in {asked.folder / lan.PASSCODE}, unless GENTLE_CRUST_PASSCODE gives one.")
    print("The phone will say that it does not know the certificate: it was made here. Compare, then go on:")
    print(f"  {made.fingerprint}")
    print(f"Data: {asked.folder}. Stop with Ctrl-C.", flush=True)
    try:
        server.serve()
    finally:
        server.stop()
    return 0


def play_devices(host: str, port: int, config: Config) -> int:
    """Play a kitchen's instruments."""
    from waitress import create_server

    from gentle_crust.devices.server import Instruments, create_devices
    from gentle_crust.devices.simulation import SimKitchen
    from gentle_crust.kitchen.now import clock_of

    instruments = Instruments(SimKitchen(), clock_of(config.now, config.rate))
    try:
        server = create_server(create_devices(instruments), host=host, port=port, threads=8)
    except OSError as error:
        print(_port_taken(port, error), file=sys.stderr)
        return REFUSED
    Thread(target=instruments.go, daemon=True).start()
    print(f"Played instruments are at http://{host}:{server.effective_port}/", flush=True)
    server.run()
    return 0
