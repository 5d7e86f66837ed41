"""Reached from another address of this machine: HTTPS with a certificate made here, and only with the passcode."""

import base64
import shutil
import socket
import ssl
import subprocess
import sys
import urllib.error
import urllib.request
from datetime import UTC, datetime, timedelta

import pytest
from cryptography import x509
from live import serving

from gentle_crust import lan
from gentle_crust.api.app import create_app
from gentle_crust.cli import main
from tests.conftest import SATURDAY

OWN = "198.51.100.7"


def _fetch(address, passcode=None, certificate=None, path="/api/kitchen"):
    context = ssl.create_default_context(cafile=str(certificate)) if certificate else None
    asked = urllib.request.Request(address.rstrip("/") + path)
    if passcode is not None:
        asked.add_header("Authorization", "Basic " + base64.b64encode(f"any:{passcode}".encode()).decode())
    try:
        with urllib.request.urlopen(asked, timeout=10, context=context) as found:
            return found.status
    except urllib.error.HTTPError as error:
        return error.code


def _inside(folder, own=OWN):
    """Run within a network that has an address of its own: served over the network, tried with and without."""
    with serving("serve", "--lan", "--host", own, folder=folder) as address:
        data = folder / "data"
        certificate, passcode = data / lan.CERTIFICATE, (data / lan.PASSCODE).read_text()
        assert address == f"https://{own}:{address.rsplit(':', 1)[1]}"
        assert _fetch(address, None, certificate) == 401
        assert _fetch(address, "guess-guess-gues", certificate) == 401
        assert _fetch(address, passcode, certificate) == 200
        with pytest.raises(urllib.error.URLError):
            _fetch(address, passcode)
        codes = [_fetch(address, f"guess-{number}", certificate) for number in range(14)]
        assert codes[-1] == 429
    with serving("serve", folder=folder) as address:
        port = int(address.rsplit(":", 1)[1])
        with socket.socket() as probe:
            assert probe.connect_ex((own, port)) != 0
        assert _fetch(address) == 200
    assert main(["serve", "--host", own, "--port", "0", "--data", str(data)]) == 2


def test_reached_from_an_address_of_its_own_with_the_passcode_and_not_without(tmp_path):
    tools = shutil.which("unshare"), shutil.which("ip")
    script = (
        f"import sys; sys.path[:0] = {sys.path!r}\n"
        f"from pathlib import Path\nfrom tests.api.test_lan import _inside\n_inside(Path({str(tmp_path)!r}))\n"
    )
    commands = f'ip link set lo up && ip addr add {OWN}/32 dev lo && exec {sys.executable} -c "$0"'
    if all(tools):
        own = subprocess.run(
            ["unshare", "--net", "--user", "--map-root-user", "sh", "-c", commands, script],
            capture_output=True,
            text=True,
        )
        if "unshare failed" not in own.stderr and "Operation not permitted" not in own.stderr:
            assert own.returncode == 0, own.stderr[-2000:]
            return
    reached = lan.addresses()
    if not reached:
        pytest.skip("this machine has no network and may not make one")
    _inside(tmp_path, reached[0])


def test_the_certificate_names_the_addresses_lasts_and_is_made_anew_in_time(tmp_path):
    now = datetime(2026, 11, 25, tzinfo=UTC)
    made = lan.certificate_for(tmp_path, ("198.51.100.7",), now)
    found = x509.load_pem_x509_certificate(made.certificate.read_bytes())
    named = found.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    assert "198.51.100.7" in [str(each) for each in named.get_values_for_type(x509.IPAddress)]
    assert (made.key.stat().st_mode & 0o777) == 0o600
    assert lan.certificate_for(tmp_path, ("198.51.100.7",), now + timedelta(days=300)).fingerprint == made.fingerprint
    assert lan.certificate_for(tmp_path, ("198.51.100.7",), now + timedelta(days=390)).fingerprint != made.fingerprint
    moved = lan.certificate_for(tmp_path, ("198.51.100.8",), now + timedelta(days=390))
    assert moved.fingerprint != made.fingerprint


def test_the_passcode_is_made_once_and_kept_from_others(tmp_path):
    first = lan.passcode_of(tmp_path)
    assert lan.passcode_of(tmp_path) == first and len(first) == 14
    assert ((tmp_path / lan.PASSCODE).stat().st_mode & 0o777) == 0o600


def test_the_page_shows_where_the_phone_finds_it_only_if_it_does(sessions):
    app = create_app(sessions, lambda: SATURDAY)
    assert app.test_client().get("/api/phone").json == {"address": "", "qr": ""}
    app.extensions["gentle_crust_lan"] = "https://198.51.100.7:8417/"
    assert app.test_client().get("/api/phone").json["qr"].startswith("data:image/svg+xml")
    assert "█" in lan.qr_in_terminal("https://198.51.100.7:8417/") or "▀" in lan.qr_in_terminal("https://198.51.100.7/")
