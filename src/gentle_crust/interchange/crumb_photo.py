"""A slice's photo, from the file to its figures."""

import io
from pathlib import Path
from typing import Any

import numpy as np
from PIL import Image, ImageOps, UnidentifiedImageError

from gentle_crust.core.crumb.measure import Found, read_crumb
from gentle_crust.core.crumb.read import CrumbRead
from gentle_crust.core.errors import CraftError

DECODED_PX, MEASURED_PX = 2000, 1100
"""Longer side, px, to which a picture is decoded, and at which it is measured."""
LARGEST_BYTES, LARGEST_PX = 40_000_000, 120_000_000


def read_photo(data: bytes, width_mm: float, shift: float = 0.0) -> tuple[CrumbRead, Found]:
    """Measure the slice on a photo (JPEG, PNG, WebP, HEIC), whose own width is ``width_mm``.

    Raises CraftError naming ``photo`` for what is no picture, and for a width that no slice has.
    """
    return read_crumb(_pixels(data), width_mm, shift)


def _pixels(data: bytes) -> Any:
    """The picture, upright, its longer side as it is measured, (rows, columns, 3), 0-1."""
    import pi_heif

    pi_heif.register_heif_opener()
    if len(data) > LARGEST_BYTES:
        raise CraftError("photo", "crumb-photo-size")
    try:
        with Image.open(io.BytesIO(data)) as picture:
            if picture.width * picture.height > LARGEST_PX:
                raise CraftError("photo", "crumb-photo-size")
            picture.draft("RGB", (DECODED_PX, DECODED_PX))
            upright = ImageOps.exif_transpose(picture) or picture
            small = upright.convert("RGB")
            small.thumbnail((MEASURED_PX, MEASURED_PX), Image.Resampling.LANCZOS)
            return np.asarray(small, dtype=float) / 255
    except (UnidentifiedImageError, OSError, ValueError, Image.DecompressionBombError) as error:
        raise CraftError("photo", "crumb-no-photo") from error


def told(found: CrumbRead) -> dict[str, Any]:
    """A reading as JSON."""
    line = found.dense_line
    return {
        "holes_fraction": found.holes_fraction,
        "cells_per_cm2": found.cells_per_cm2,
        "mean_cell_mm2": found.mean_cell_mm2,
        "largest_mm": found.largest_mm,
        "evenness": found.evenness,
        "top_to_bottom": list(found.top_to_bottom),
        "dense_line": None if line is None else {"from_mm": line.from_mm, "to_mm": line.to_mm},
        "quality": {"usable": found.quality.usable, "why": found.quality.why},
    }


def of_file(path: Path, width_mm: float) -> dict[str, Any]:
    """The reading of a photo in a file. Raises CraftError for a file that cannot be read."""
    try:
        data = path.read_bytes()
    except OSError as error:
        raise CraftError("photo", "crumb-no-file", name=path.name) from error
    return told(read_photo(data, width_mm)[0])
