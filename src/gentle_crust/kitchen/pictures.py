"""Pictures from outside: sized before they are decoded, decoded one at a time, and nothing kept but the picture."""

import io
import threading
from functools import cache

from PIL import Image, ImageOps, UnidentifiedImageError

from gentle_crust.core.errors import CraftError, Unreadable

KINDS = ("JPEG", "PNG", "WEBP", "HEIF")
MOST_PIXELS = {"JPEG": 200_000_000, "PNG": 24_000_000, "WEBP": 24_000_000, "HEIF": 50_000_000}
"""A JPEG is decoded small at once; the others have to be held whole."""
MOST_LONGER = 20
"""So many times as long as it is wide a picture may be."""
QUALITY = 82
_ONE_AT_A_TIME = threading.Lock()


def cleaned(data: bytes, longest: int) -> Image.Image:
    """The picture alone, upright, at most ``longest`` px on its longer side.

    Raises Unreadable for what is no JPEG, PNG, WebP or HEIC, CraftError for one that is too large to be decoded.
    """
    try:
        _read_heic()
        with _ONE_AT_A_TIME, Image.open(io.BytesIO(data), formats=KINDS) as found:
            _check_size(found)
            found.draft("RGB", (longest, longest))
            found.thumbnail((longest, longest))
            turned = ImageOps.exif_transpose(found).convert("RGB")
    except CraftError:
        raise
    except (UnidentifiedImageError, OSError, ValueError, SyntaxError, Image.DecompressionBombError) as error:
        raise Unreadable("photo", "kitchen-photo-unreadable") from error
    plain = Image.new("RGB", turned.size)
    plain.paste(turned)
    return plain


@cache
def _read_heic() -> None:
    """Let pictures be read as phones take them: loaded once the first picture comes."""
    import pi_heif

    pi_heif.register_heif_opener()


def was_kept_so(data: bytes, longest: int) -> bool:
    """Whether a picture is a small JPEG with nothing but the picture, as they are kept."""
    with Image.open(io.BytesIO(data), formats=KINDS) as found:
        return found.format == "JPEG" and max(found.size) <= longest and not found.getexif() and found.mode == "RGB"


def as_jpeg(picture: Image.Image) -> bytes:
    """A picture as it is kept."""
    out = io.BytesIO()
    picture.save(out, "JPEG", quality=QUALITY, optimize=True)
    return out.getvalue()


def _check_size(found: Image.Image) -> None:
    most = MOST_PIXELS[found.format or "PNG"]
    if found.width * found.height > most:
        raise CraftError("photo", "kitchen-photo-too-many-pixels", millions=most // 1_000_000)
    if max(found.size) > MOST_LONGER * min(found.size):
        raise CraftError("photo", "kitchen-photo-strip")
