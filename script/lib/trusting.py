"""A browser that trusts an authority: its certificate put into the store that Chromium reads, of a home of its own."""

import ctypes
import subprocess
import sys
from pathlib import Path

SPEAKS_FOR_SITES = 8 | 16
"""A valid authority, trusted for servers."""


class _Trust(ctypes.Structure):
    _fields_ = [(name, ctypes.c_uint) for name in ("ssl", "email", "object_signing")]


def trust(certificate: Path, home: Path) -> None:
    """Let a browser whose home is ``home`` trust an authority (DER)."""
    store = home / ".pki" / "nssdb"
    store.mkdir(parents=True, exist_ok=True)
    subprocess.run([sys.executable, __file__, str(certificate), str(store)], check=True)  # noqa: S603


def _put(certificate: bytes, store: str) -> None:
    nss, packages = ctypes.CDLL("libnss3.so"), ctypes.CDLL("libsmime3.so")
    for name in ("PK11_GetInternalKeySlot", "CERT_GetDefaultCertDB"):
        getattr(nss, name).restype = ctypes.c_void_p
    packages.CERT_DecodeCertFromPackage.restype = ctypes.c_void_p
    _must(nss.NSS_InitReadWrite(f"sql:{store}".encode()))
    slot = ctypes.c_void_p(nss.PK11_GetInternalKeySlot())
    nss.PK11_InitPin(slot, None, None)
    found = ctypes.c_void_p(packages.CERT_DecodeCertFromPackage(certificate, len(certificate)))
    _must(nss.PK11_ImportCert(slot, found, ctypes.c_ulong(0), b"kitchen", 0))
    trusted = _Trust(SPEAKS_FOR_SITES, 0, 0)
    _must(nss.CERT_ChangeCertTrust(ctypes.c_void_p(nss.CERT_GetDefaultCertDB()), found, ctypes.byref(trusted)))
    nss.NSS_Shutdown()


def _must(status: int) -> None:
    if status:
        raise SystemExit("the browser's store of certificates cannot be written")


if __name__ == "__main__":
    _put(Path(sys.argv[1]).read_bytes(), sys.argv[2])
