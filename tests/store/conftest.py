"""Kitchens as every older program left them."""

import gzip
import sqlite3
from pathlib import Path

import pytest

from gentle_crust.store.database import FILE, newest_schema

STORES = sorted((Path(__file__).parents[1] / "data" / "stores").glob("*.sql.gz"))


def laid_out(path: Path, folder: Path) -> Path:
    """A data folder with the file that is kept at ``path`` as text."""
    folder.mkdir(parents=True)
    with sqlite3.connect(folder / FILE) as file:
        file.executescript(gzip.decompress(path.read_bytes()).decode())
    file.close()
    return folder


OUTDATED = [path for path in STORES if path.name[:4] != newest_schema()]


@pytest.fixture(params=OUTDATED, ids=[path.name.removesuffix(".sql.gz") for path in OUTDATED])
def outdated(request, tmp_path):
    return laid_out(request.param, tmp_path / "old")


@pytest.fixture(params=STORES, ids=[path.name.removesuffix(".sql.gz") for path in STORES])
def old(request, tmp_path):
    return laid_out(request.param, tmp_path / "old")
