"""Serving a folder of data: to this machine, or to whoever is on the network and has the passcode."""

import gc
import os
import signal
import sys
from contextlib import ExitStack, suppress
from dataclasses import dataclass, field
from pathlib import Path
from threading import Thread
from typing import Any

from gentle_crust.config import SHORTEST_PASSCODE, Config
from gentle_crust.store.database import CannotOpen

REFUSED = 2
IN_THE_CLEAR = (
    "Warning: this is not encrypted. Whoever is on the network can read the passcode and all that is kept,"
    " unless something in front of it encrypts."
)


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
    in_the_clear: bool = False
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
    from gentle_crust.hosts import is_loopback
    from gentle_crust.kitchen.now import clock_of
    from gentle_crust.kitchen.photos import PhotoShelf
    from gentle_crust.kitchen.work import Work
    from gentle_crust.store.backup import sweep
    from gentle_crust.store.copies import DailyCopies
    from gentle_crust.store.database import make_folder, open_store
    from gentle_crust.store.lock import locked

    gc.freeze()
    gc.enable()
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
    if not is_loopback(asked.host) and not asked.over_lan and not asked.in_the_clear:
        raise CannotOpen(
            f"at {asked.host} the passcode and all that you keep would cross the network in the clear, for anybody on\n"
            "it to read. Serve with --lan, which encrypts. If something of your own in front of it does that, say so\n"
            "with --in-the-clear."
        )
    _allow_connections()
    sweep(folder)
    sessions = open_store(folder)
    stack.callback(_close, sessions)
    PhotoShelf(folder).sweep(Work(sessions, now))
    _fill(asked, sessions, now)
    _listen(asked.instruments, sessions, now)
    app = create_app(sessions, now, asked.host, passcode)
    _warm_when_visited(app)
    copies = DailyCopies(folder, now, config.copies_bytes, lambda: _daily(Work(sessions, now)))
    copies.start()
    stack.callback(copies.stop)
    signal.signal(signal.SIGTERM, _stop)
    filled = Thread(target=_fill_further, args=(asked, sessions, now), daemon=True)
    filled.start()
    if asked.over_lan:
        filled.join()
        return _serve_lan(app, asked, passcode or "")
    return _serve_here(app, asked, filled)


def _daily(work: Any) -> None:
    """What grows old is let go: figures of instruments, and bakes that were long taken out of the log."""
    from gentle_crust.kitchen.removed import let_go
    from gentle_crust.kitchen.thinning import thin

    thin(work)
    let_go(work)


def _warm_when_visited(app: Any) -> None:
    """Once a room is open that will reckon, load what that takes: no question waits for it."""
    from flask import request

    waiting = {"/api/plans": _warm_doughs, "/api/formulas": _warm_doughs, "/api/ingredients": _warm_units}

    def visited(response: Any) -> Any:
        warm = waiting.pop(request.path, None)
        if warm is not None:
            Thread(target=warm, daemon=True).start()
        return response

    app.after_request(visited)


def _warm_doughs() -> None:
    from gentle_crust.core.oven.warm import warm

    warm()


def _warm_units() -> None:
    from gentle_crust.interchange.recipe.weigh import warm_up

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

    if not asked.demo:
        demo.start_formulas(sessions, now)
        return
    demo.fill(sessions, now, planned=asked.empty_bench)


def _fill_further(asked: Serving, sessions: Any, now: Any) -> None:
    """The demo's plan, its bench and its past, which take seconds: it answers meanwhile."""
    from gentle_crust import demo
    from gentle_crust.demo.doughs import begin_doughs
    from gentle_crust.demo.past import remember

    if asked.demo and not asked.empty_bench:
        demo.plan_ahead(sessions, now)
        begin_doughs(sessions, now)
        remember(sessions, now, asked.folder)


def _port_taken(port: int, error: OSError) -> CannotOpen:
    return CannotOpen(f"Port {port} cannot be used ({error.strerror or error}). Give another with --port.")


def _serve_here(app: Any, asked: Serving, filled: Thread) -> int:
    from gentle_crust.hosts import is_loopback
    from gentle_crust.network import behind

    try:
        server = behind(app, asked.host, asked.port)
    except OSError as error:
        raise _port_taken(asked.port, error) from error
    shown = f"[{asked.host}]" if ":" in asked.host else asked.host

    def say_where() -> None:
        filled.join()
        print(f"Gentle Crust is at http://{shown}:{server.effective_port}/", flush=True)
        print(f"Data: {asked.folder}. Stop with Ctrl-C.", flush=True)
        if not is_loopback(asked.host):
            print(IN_THE_CLEAR, file=sys.stderr, flush=True)

    Thread(target=say_where, daemon=True).start()
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
    """Serve over HTTPS to whoever is on the network and signs in."""
    from gentle_crust import lan
    from gentle_crust.network import OnNetwork

    reached = lan.addresses() if asked.host == "0.0.0.0" else (asked.host,)  # noqa: S104 - the baker asked for it
    if not reached:
        raise CannotOpen("this machine has no address on a network. Join one, then start again.")
    try:
        network = OnNetwork(app, asked.folder, asked.host, asked.port, reached)
    except OSError as error:
        raise _port_taken(asked.port, error) from error
    print(f"Gentle Crust is at {network.address}", flush=True)
    if sys.stdout.isatty():
        print(lan.qr_in_terminal(network.address))
        print(f"Passcode: {passcode}")
    print(f"The passcode is in {asked.folder / lan.PASSCODE}, unless GENTLE_CRUST_PASSCODE gives one.")
    if network.secured.replaced:
        print("A new authority was made for this kitchen: phones that trusted an earlier one are asked once more.")
    print(f"So that a phone keeps the bench without a connection, open {network.address}trust on it. Compare there:")
    print(f"  {network.secured.authority.fingerprint}")
    print(f"Data: {asked.folder}. Stop with Ctrl-C.", flush=True)
    network.run()
    return 0


def _allow_connections() -> None:
    """As many open files as connections may need, if the system lets us."""
    from gentle_crust.network import CONNECTIONS

    with suppress(ImportError, ValueError, OSError):
        import resource

        soft, hard = resource.getrlimit(resource.RLIMIT_NOFILE)
        resource.setrlimit(resource.RLIMIT_NOFILE, (min(max(soft, 4 * CONNECTIONS), hard), hard))


def play_devices(host: str, port: int, config: Config) -> int:
    """Play a kitchen's instruments."""
    from waitress import create_server

    from gentle_crust.devices.server import THREADS, Instruments, create_devices
    from gentle_crust.devices.simulation import SimKitchen
    from gentle_crust.kitchen.now import clock_of

    instruments = Instruments(SimKitchen(), clock_of(config.now, config.rate))
    try:
        server = create_server(create_devices(instruments, host), host=host, port=port, threads=THREADS)
    except OSError as error:
        print(_port_taken(port, error), file=sys.stderr)
        return REFUSED
    Thread(target=instruments.go, daemon=True).start()
    print(f"Played instruments are at http://{host}:{server.effective_port}/", flush=True)
    server.run()
    return 0
