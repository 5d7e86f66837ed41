"""The kitchen's own authority, and the certificate that it makes for this machine.

Browsers keep a page for later without a connection only under a certificate that the device trusts. So a private
authority is made once: its key is its owner's alone, and it can speak for this kitchen's names and addresses only.
"""

import ipaddress
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from pathlib import Path

from cryptography import x509
from cryptography.exceptions import InvalidSignature
from cryptography.hazmat.primitives import hashes, serialization
from cryptography.hazmat.primitives.asymmetric import ec
from cryptography.x509.oid import ExtendedKeyUsageOID, NameOID

from gentle_crust.lan import write_secret

CERTIFICATE, KEY = "lan-certificate.pem", "lan-key.pem"
AUTHORITY, AUTHORITY_KEY = "lan-authority.pem", "lan-authority-key.pem"
LASTS, RENEWED = timedelta(days=365), timedelta(days=30)
"""A certificate lasts a year at most, and is made anew a month before its end."""
AUTHORITY_LASTS, AUTHORITY_RENEWED = timedelta(days=3650), timedelta(days=400)
OWNER = "Gentle Crust in this kitchen"


@dataclass(frozen=True)
class Certificate:
    """Where a certificate and its key lie, its fingerprint to compare, its end, and the names that it may speak for."""

    certificate: Path
    key: Path
    fingerprint: str
    until: datetime
    names: tuple[str, ...]
    new: bool = False
    """Whether it was made just now."""


def authority_for(folder: Path, called: tuple[str, ...], now: datetime | None = None) -> Certificate:
    """What phones are asked to trust: an authority of this kitchen alone, which can speak for ``called`` and no other.

    It is made the first time, and anew when it nears its end or the kitchen's machine is called otherwise.
    """
    now = now or datetime.now(UTC)
    certificate, key = folder / AUTHORITY, folder / AUTHORITY_KEY
    there = certificate.exists() and key.exists()
    kept = there and _may_speak_for(_read(certificate), called) and _lasts(_read(certificate), now, AUTHORITY_RENEWED)
    if not kept:
        _make_authority(certificate, key, called, now)
    return _told(certificate, key, called, not kept)


def certificate_for(folder: Path, called: tuple[str, ...], now: datetime | None = None) -> Certificate:
    """The certificate that is served, made by this kitchen's authority, and anew a month before it ends."""
    now = now or datetime.now(UTC)
    issuer = _read(authority_for(folder, called, now).certificate)
    certificate, key = folder / CERTIFICATE, folder / KEY
    there = certificate.exists() and key.exists()
    kept = there and _issued_by(_read(certificate), issuer, called) and _lasts(_read(certificate), now, RENEWED)
    if not kept:
        _make_certificate(certificate, key, folder, called, now)
    return _told(certificate, key, called, not kept)


def certificate_text(path: Path) -> bytes:
    """A certificate as phones take it, DER."""
    return _read(path).public_bytes(serialization.Encoding.DER)


def _read(path: Path) -> x509.Certificate:
    return x509.load_pem_x509_certificate(path.read_bytes())


def _lasts(found: x509.Certificate, now: datetime, at_least: timedelta) -> bool:
    return found.not_valid_before_utc <= now and found.not_valid_after_utc - now > at_least


def _told(certificate: Path, key: Path, called: tuple[str, ...], new: bool) -> Certificate:
    found = _read(certificate)
    mark = found.fingerprint(hashes.SHA256()).hex().upper()
    shown = " ".join(mark[place : place + 4] for place in range(0, 32, 4))
    return Certificate(certificate, key, shown, found.not_valid_after_utc, called, new)


def _general(name: str, whole_network: bool = False) -> x509.GeneralName:
    """A name or an address as certificates hold it; as a limit an address is a network of one."""
    try:
        address = ipaddress.ip_address(name)
    except ValueError:
        return x509.DNSName(name)
    return x509.IPAddress(ipaddress.ip_network(address) if whole_network else address)


def _may_speak_for(authority: x509.Certificate, called: tuple[str, ...]) -> bool:
    try:
        limits = authority.extensions.get_extension_for_class(x509.NameConstraints).value
    except x509.ExtensionNotFound:
        return False
    return {_general(name, whole_network=True) for name in called} <= set(limits.permitted_subtrees or ())


def _issued_by(found: x509.Certificate, issuer: x509.Certificate, called: tuple[str, ...]) -> bool:
    try:
        found.verify_directly_issued_by(issuer)
    except (ValueError, TypeError, InvalidSignature):
        return False
    named = found.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    return {_general(name) for name in called} <= set(named)


def _subject(name: str) -> x509.Name:
    return x509.Name([x509.NameAttribute(NameOID.COMMON_NAME, name)])


def _begun(
    subject: x509.Name, issuer: x509.Name, key: ec.EllipticCurvePublicKey, now: datetime, lasts: timedelta
) -> x509.CertificateBuilder:
    builder = x509.CertificateBuilder().subject_name(subject).issuer_name(issuer).public_key(key)
    builder = builder.serial_number(x509.random_serial_number())
    return builder.not_valid_before(now - timedelta(hours=1)).not_valid_after(now - timedelta(hours=1) + lasts)


def _usage(signs_certificates: bool) -> x509.KeyUsage:
    return x509.KeyUsage(
        digital_signature=not signs_certificates, content_commitment=False, key_encipherment=False,
        data_encipherment=False, key_agreement=False, key_cert_sign=signs_certificates, crl_sign=signs_certificates,
        encipher_only=False, decipher_only=False,
    )  # fmt: skip


def _make_authority(certificate: Path, key: Path, called: tuple[str, ...], now: datetime) -> None:
    secret = ec.generate_private_key(ec.SECP256R1())
    name = _subject(f"{OWNER}, authority of {now:%d %B %Y}")
    limits = x509.NameConstraints([_general(each, whole_network=True) for each in called], None)
    made = (
        _begun(name, name, secret.public_key(), now, AUTHORITY_LASTS)
        .add_extension(x509.BasicConstraints(ca=True, path_length=0), critical=True)
        .add_extension(_usage(signs_certificates=True), critical=True)
        .add_extension(limits, critical=True)
        .add_extension(x509.SubjectKeyIdentifier.from_public_key(secret.public_key()), critical=False)
        .sign(secret, hashes.SHA256())
    )
    _write_key(key, secret)
    write_secret(certificate, made.public_bytes(serialization.Encoding.PEM))


def _make_certificate(certificate: Path, key: Path, folder: Path, called: tuple[str, ...], now: datetime) -> None:
    issuer = _read(folder / AUTHORITY)
    issuing = serialization.load_pem_private_key((folder / AUTHORITY_KEY).read_bytes(), None)
    if not isinstance(issuing, ec.EllipticCurvePrivateKey):
        raise ValueError(f"{AUTHORITY_KEY} holds no key of this program")
    secret = ec.generate_private_key(ec.SECP256R1())
    made = (
        _begun(_subject(OWNER), issuer.subject, secret.public_key(), now, LASTS)
        .add_extension(x509.SubjectAlternativeName([_general(each) for each in called]), critical=False)
        .add_extension(x509.BasicConstraints(ca=False, path_length=None), critical=True)
        .add_extension(_usage(signs_certificates=False), critical=True)
        .add_extension(x509.ExtendedKeyUsage([ExtendedKeyUsageOID.SERVER_AUTH]), critical=False)
        .add_extension(x509.SubjectKeyIdentifier.from_public_key(secret.public_key()), critical=False)
        .add_extension(x509.AuthorityKeyIdentifier.from_issuer_public_key(issuing.public_key()), critical=False)
        .sign(issuing, hashes.SHA256())
    )
    _write_key(key, secret)
    write_secret(certificate, made.public_bytes(serialization.Encoding.PEM))


def _write_key(path: Path, secret: ec.EllipticCurvePrivateKey) -> None:
    form, plain = serialization.PrivateFormat.PKCS8, serialization.NoEncryption()
    write_secret(path, secret.private_bytes(serialization.Encoding.PEM, form, plain))
