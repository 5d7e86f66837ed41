"""Names and addresses by which a program may be called, so that no page elsewhere speaks to it."""

import ipaddress
from collections.abc import Container
from urllib.parse import urlsplit


def is_loopback(host: str) -> bool:
    """Whether an address to listen on is reached from this machine only."""
    if host == "localhost":
        return True
    try:
        return ipaddress.ip_address(host).is_loopback
    except ValueError:
        return False


def known_host(header: str, listening: str, own: Container[str] = ()) -> bool:
    """Whether the Host header may name this program; other names would let a page elsewhere rebind to it.

    ``own``: what the machine is called on the network.
    """
    try:
        name = urlsplit(f"//{header}").hostname or ""
    except ValueError:
        return False
    if is_loopback(name) or name == listening or name in own:
        return True
    if is_loopback(listening):
        return False
    try:
        ipaddress.ip_address(name)
    except ValueError:
        return False
    return True


def host_of(origin: str) -> str:
    """Host and port of an origin; empty of what is none."""
    try:
        return urlsplit(origin).netloc
    except ValueError:
        return ""
