"""Serving to the phone on the kitchen's own network: addresses, a certificate made here, a passcode, a QR code."""

import contextlib
import ipaddress
import secrets
import socket
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from pathlib import Path

import segno
from cryptography import x509
from cryptography.hazmat.primitives import hashes, serialization
from cryptography.hazmat.primitives.asymmetric import ec
from cryptography.x509.oid import ExtendedKeyUsageOID, NameOID

CERTIFICATE, KEY, PASSCODE = "lan-certificate.pem", "lan-key.pem", "lan-passcode"
LASTS = timedelta(days=397)
"""Browsers take no certificate for longer."""
RENEWED = timedelta(days=14)
LETTERS = "abcdefghjkmnpqrstuvwxyz23456789"
"""Without those that are mistaken for each other."""
GROUPS, GROUP = 3, 4


@dataclass(frozen=True)
class Certificate:
    """Where the certificate and its key lie, and its fingerprint to compare on the phone."""

    certificate: Path
    key: Path
    fingerprint: str


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


def passcode_of(folder: Path) -> str:
    """The passcode of this kitchen, made the first time; only its owner may read the file."""
    path = folder / PASSCODE
    if not path.exists():
        folder.mkdir(parents=True, exist_ok=True)
        made = "-".join("".join(secrets.choice(LETTERS) for _ in range(GROUP)) for _ in range(GROUPS))
        _write_secret(path, made.encode())
    return path.read_text(encoding="utf-8").strip()


def certificate_for(folder: Path, hosts: tuple[str, ...], now: datetime | None = None) -> Certificate:
    """The certificate of this kitchen: made the first time, and anew when it ends soon or the addresses changed."""
    certificate, key = folder / CERTIFICATE, folder / KEY
    now = now or datetime.now(UTC)
    if not (certificate.exists() and key.exists() and _still_good(certificate, hosts, now)):
        folder.mkdir(parents=True, exist_ok=True)
        _make(certificate, key, hosts, now)
    found = x509.load_pem_x509_certificate(certificate.read_bytes())
    mark = found.fingerprint(hashes.SHA256()).hex().upper()
    return Certificate(certificate, key, " ".join(mark[place : place + 4] for place in range(0, 32, 4)))


def _still_good(path: Path, hosts: tuple[str, ...], now: datetime) -> bool:
    found = x509.load_pem_x509_certificate(path.read_bytes())
    named = found.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    known = {str(each) for each in named.get_values_for_type(x509.IPAddress)}
    return found.not_valid_after_utc - now > RENEWED and found.not_valid_before_utc <= now and set(hosts) <= known


def _make(certificate: Path, key: Path, hosts: tuple[str, ...], now: datetime) -> None:
    secret = ec.generate_private_key(ec.SECP256R1())
    name = x509.Name([x509.NameAttribute(NameOID.COMMON_NAME, "Gentle Crust in this kitchen")])
    names: list[x509.GeneralName] = [x509.DNSName("localhost"), x509.IPAddress(ipaddress.ip_address("127.0.0.1"))]
    names += [x509.IPAddress(ipaddress.ip_address(host)) for host in hosts if host != "127.0.0.1"]
    made = (
        x509.CertificateBuilder()
        .subject_name(name)
        .issuer_name(name)
        .public_key(secret.public_key())
        .serial_number(x509.random_serial_number())
        .not_valid_before(now - timedelta(hours=1))
        .not_valid_after(now + LASTS)
        .add_extension(x509.SubjectAlternativeName(names), critical=False)
        .add_extension(x509.BasicConstraints(ca=False, path_length=None), critical=True)
        .add_extension(x509.ExtendedKeyUsage([ExtendedKeyUsageOID.SERVER_AUTH]), critical=False)
        .sign(secret, hashes.SHA256())
    )
    plain = serialization.NoEncryption()
    form = serialization.PrivateFormat.PKCS8
    _write_secret(key, secret.private_bytes(serialization.Encoding.PEM, form, plain))
    certificate.write_bytes(made.public_bytes(serialization.Encoding.PEM))


def _write_secret(path: Path, data: bytes) -> None:
    """A file that only its owner may read, from its first byte on."""
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
