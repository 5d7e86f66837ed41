"""Photographs of a dough: made small, stripped of where and with what they were taken, kept beside the data file."""

import os
import time
from dataclasses import dataclass
from datetime import timedelta
from pathlib import Path

from PIL import Image

from gentle_crust.contract.events import PHOTO
from gentle_crust.core.errors import CraftError, NotFound
from gentle_crust.kitchen.pictures import as_jpeg, cleaned, was_kept_so
from gentle_crust.kitchen.work import Work
from gentle_crust.store.repositories import Events

LONGEST, THUMB = 1600, 240
LARGEST_BYTES = 12_000_000
ORPHANED = timedelta(days=7)
"""A photo that no bake knows after so long never will be known (practice)."""


@dataclass(frozen=True)
class Kept:
    """A photograph as it was kept: its size in px."""

    width: int
    height: int


class PhotoShelf:
    """A folder of photographs, each under its own key."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder / "photos"

    def keep(self, key: str, data: bytes) -> Kept:
        """Make it small, turn it upright, drop everything but the picture, and keep it. CraftError if it is none."""
        _check_key(key)
        if not data or len(data) > LARGEST_BYTES:
            raise CraftError("photo", "kitchen-photo-size")
        there = self.folder / f"{key}.jpg"
        if there.is_file():  # sent once more: what is kept is not replaced
            with Image.open(there) as kept:
                return Kept(kept.width, kept.height)
        picture = cleaned(data, LONGEST)
        self.folder.mkdir(parents=True, exist_ok=True)
        small = picture.copy()
        small.thumbnail((THUMB, THUMB))
        _write(self.folder / f"{key}.small.jpg", as_jpeg(small))
        _write(self.folder / f"{key}.jpg", as_jpeg(picture))
        return Kept(picture.width, picture.height)

    def has(self, key: str) -> bool:
        """Whether there is a photograph of that key."""
        _check_key(key)
        return (self.folder / f"{key}.jpg").is_file()

    def keep_as_it_is(self, key: str, data: bytes) -> None:
        """Keep a photograph that was written out here, byte by byte; any other is made small first, as if new."""
        _check_key(key)
        small = cleaned(data, THUMB)
        if not was_kept_so(data, LONGEST):
            self.keep(key, data)
            return
        self.folder.mkdir(parents=True, exist_ok=True)
        _write(self.folder / f"{key}.small.jpg", as_jpeg(small))
        _write(self.folder / f"{key}.jpg", data)

    def get(self, key: str, small: bool = False) -> bytes | None:
        """A photograph's bytes as JPEG; None if there is none."""
        _check_key(key)
        path = self.folder / (f"{key}.small.jpg" if small else f"{key}.jpg")
        return path.read_bytes() if path.is_file() else None

    def sweep(self, work: Work) -> None:
        """Throw away photos that were written half, and those of more than a week that belong to no bake."""
        for half in self.folder.glob("*.half"):
            half.unlink(missing_ok=True)
        with work.read() as session:
            known = Events(session).keys_of_kind(PHOTO)
        oldest = time.time() - ORPHANED / timedelta(seconds=1)
        for path in self.folder.glob("*.jpg"):
            key = path.name.removesuffix(".jpg").removesuffix(".small")
            if key not in known and path.stat().st_mtime < oldest:
                path.unlink(missing_ok=True)


def _check_key(key: str) -> None:
    if not key.replace("-", "").isalnum():
        raise NotFound("id", "kitchen-photo-key")


def _write(path: Path, data: bytes) -> None:
    """Wholly or not at all."""
    half = path.with_suffix(".half")
    with half.open("wb") as file:
        file.write(data)
        file.flush()
        os.fsync(file.fileno())
    half.replace(path)
