"""A data folder is used by one program at a time."""

import contextlib
import os
from collections.abc import Iterator
from pathlib import Path

from gentle_crust.store.database import CannotOpen

try:
    import fcntl
except ImportError:  # pragma: no cover - a system without it has one user and, as a rule, one program
    fcntl = None  # type: ignore[assignment]

LOCK = ".in-use"


@contextlib.contextmanager
def locked(folder: Path) -> Iterator[None]:
    """Hold a folder for as long as the block lasts. CannotOpen if another program holds it.

    The system lets go of it when the program ends, however it ends.
    """
    path = folder / LOCK
    handle = os.open(path, os.O_RDWR | os.O_CREAT, 0o600)
    try:
        if fcntl is not None:
            try:
                fcntl.flock(handle, fcntl.LOCK_EX | fcntl.LOCK_NB)
            except OSError as error:
                who = os.pread(handle, 40, 0).decode(errors="replace").strip()
                raise CannotOpen(
                    f"{folder} is in use by another Gentle Crust{f' (process {who})' if who else ''}.\n"
                    "Stop that one first, or give another folder with --data."
                ) from error
        os.ftruncate(handle, 0)
        os.pwrite(handle, str(os.getpid()).encode(), 0)
        yield
    finally:
        os.close(handle)


def in_use(folder: Path) -> bool:
    """Whether some program holds a folder."""
    if fcntl is None or not (folder / LOCK).exists():
        return False
    handle = os.open(folder / LOCK, os.O_RDWR)
    try:
        fcntl.flock(handle, fcntl.LOCK_SH | fcntl.LOCK_NB)
    except OSError:
        return True
    finally:
        os.close(handle)
    return False
