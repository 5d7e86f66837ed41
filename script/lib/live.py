"""A running program on a port of its own, for tests, pictures and measurements."""

import os
import re
import subprocess
import sys
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

SATURDAY = "2026-11-28T06:30:00+00:00"
"""Half past six on a Saturday morning in the demo's kitchen."""
SHELL = "/usr/bin/chromium-headless-shell"
"""Debian's Chromium without its own window: what the window is made of costs a third of a test's time."""
CHROMIUM = os.environ.get("CHROMIUM") or (SHELL if Path(SHELL).exists() else "/usr/bin/chromium")
QUIET = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--font-render-hinting=none",
]


@contextmanager
def serving(
    *arguments: str,
    now: str | None = SATURDAY,
    folder: Path | None = None,
    rate: float = 0.0,
    prefix: tuple[str, ...] = (),
) -> Iterator[str]:
    """Serve with ``gentle-crust`` and yield the address.

    The clock stands at ``now`` unless that is None, or runs from there at ``rate``; ``prefix`` goes before the command.
    """
    with tempfile.TemporaryDirectory() as scratch:
        environment = {**os.environ, "GENTLE_CRUST_DATA": str((folder or Path(scratch)) / "data")}
        environment.pop("GENTLE_CRUST_NOW", None)
        if now:
            environment["GENTLE_CRUST_NOW"] = now
            environment["GENTLE_CRUST_RATE"] = str(rate)
        command = [
            *prefix,
            sys.executable,
            "-m",
            "gentle_crust.cli",
            *(arguments or ("demo", "--empty-bench")),
            "--port",
            "0",
        ]
        process = subprocess.Popen(command, env=environment, stdout=subprocess.PIPE, text=True)  # noqa: S603
        try:
            line = process.stdout.readline() if process.stdout else ""
            found = re.search(r"https?://\S+", line)
            if not found:
                raise RuntimeError(f"not serving: {line!r}")
            yield found[0].rstrip("/")
        finally:
            process.terminate()
            process.wait(10)
