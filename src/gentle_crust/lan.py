"""Serving to the phone on the kitchen's own network: addresses, a passcode and other secrets, a QR code."""

import contextlib
import ipaddress
import secrets
import socket
from pathlib import Path

import segno

PASSCODE, CALENDAR = "lan-passcode", "calendar-secret"
LETTERS = "abcdefghjkmnpqrstuvwxyz23456789"
"""Without those that are mistaken for each other."""
GROUPS, GROUP = 3, 4
OWN_PLACES = ("localhost", "127.0.0.1")


def addresses() -> tuple[str, ...]:
    """This machine's own addresses that others can reach, the usual one first."""
    found: list[str] = []
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
        try:
            probe.connect(("192.0.2.1", 9))
            found.append(probe.getsockname()[0])
        except OSError:
            pass
    with contextlib.suppress(OSError):
        found += [str(info[4][0]) for info in socket.getaddrinfo(socket.gethostname(), None, socket.AF_INET)]
    return tuple(dict.fromkeys(each for each in found if not ipaddress.ip_address(each).is_loopback))


def names(reached: tuple[str, ...]) -> tuple[str, ...]:
    """Everything that this machine is called on the network: its addresses, and its name there."""
    name = socket.gethostname().split(".")[0].lower()
    named = (name, f"{name}.local") if name and name.replace("-", "").isalnum() else ()
    return tuple(dict.fromkeys((*OWN_PLACES, *reached, *named)))


def passcode_of(folder: Path) -> str:
    """The passcode of this kitchen, made the first time; only its owner may read the file."""
    path = folder / PASSCODE
    if not path.exists():
        made = "-".join("".join(secrets.choice(LETTERS) for _ in range(GROUP)) for _ in range(GROUPS))
        write_secret(path, made.encode())
    return path.read_text(encoding="utf-8").strip()


def secret_of(folder: Path, name: str) -> str:
    """A secret of this kitchen, made the first time; only its owner may read the file."""
    path = folder / name
    return path.read_text(encoding="utf-8").strip() if path.exists() else renewed_secret(folder, name)


def renewed_secret(folder: Path, name: str) -> str:
    """Another secret in its place."""
    made = secrets.token_urlsafe(24)
    write_secret(folder / name, made.encode())
    return made


def write_secret(path: Path, data: bytes) -> None:
    """A file that only its owner may read, from its first byte on."""
    path.parent.mkdir(parents=True, exist_ok=True)
    path.unlink(missing_ok=True)
    path.touch(mode=0o600)
    path.write_bytes(data)


def qr_in_terminal(address: str) -> str:
    """The address as a QR code of text."""
    import io

    out = io.StringIO()
    segno.make(address, error="m").terminal(out=out, compact=True)
    return out.getvalue()


def qr_svg(address: str) -> str:
    """The address as a QR code, an SVG in a data address."""
    return str(segno.make(address, error="m").svg_data_uri(scale=5, border=2, dark="#1c2522", light="#ffffff"))
