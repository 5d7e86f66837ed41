"""Pictures from outside: cleaned, sized before they are decoded; files that no spreadsheet reckons with."""

import csv
import io
import struct
import tracemalloc
import zlib
from pathlib import Path

import pytest
from PIL import Image

from gentle_crust.core.culture.culture import Culture
from gentle_crust.core.culture.jar import Jar
from gentle_crust.core.errors import CraftError
from gentle_crust.interchange import culture_files
from gentle_crust.interchange.safe_csv import cell
from gentle_crust.kitchen.pictures import as_jpeg, cleaned
from gentle_crust.text.render import say

DATA = Path(__file__).parents[1] / "data"
PLACE = b"52.0907N,5.1214E"


def jpeg(size=(900, 600), **more):
    out = io.BytesIO()
    Image.new("RGB", size, (150, 110, 70)).save(out, "JPEG", **more)
    return out.getvalue()


def told_where():
    found = Image.Exif()
    found[0x010E] = PLACE.decode()
    found[0x0112] = 6
    return jpeg(exif=found)


def hollow_png(width, height):
    """A PNG of so many pixels whose file is tiny: its one colour packs to nothing."""

    def part(kind, data):
        return struct.pack(">I", len(data)) + kind + data + struct.pack(">I", zlib.crc32(kind + data))

    head = part(b"IHDR", struct.pack(">IIBBBBB", width, height, 8, 2, 0, 0, 0))
    return b"\x89PNG\r\n\x1a\n" + head + part(b"IDAT", zlib.compress(b"\0" * (1 + 3 * width) * 50)) + part(b"IEND", b"")


def test_a_picture_as_phones_take_it_is_read_and_kept_as_a_small_jpeg():
    found = cleaned((DATA / "slice.heic").read_bytes(), 320)
    assert found.size == (320, 200) and as_jpeg(found)[:2] == b"\xff\xd8"
    red, crust = found.getpixel((20, 20)), found.getpixel((160, 105))
    assert red[0] > 150 > red[1] + 60 and 100 < crust[0] < 190 and crust[0] > crust[2] + 50


def test_a_torn_picture_of_a_phone_is_said_to_be_unreadable():
    data = (DATA / "slice.heic").read_bytes()
    for torn in (data[:40], data[: len(data) // 2], data[:60] + b"\0" * 600):
        with pytest.raises(CraftError):
            cleaned(torn, 320)


def test_nothing_is_kept_but_the_picture_upright_and_small():
    sent = told_where()
    assert PLACE in sent
    kept = as_jpeg(cleaned(sent, 300))
    assert PLACE not in kept
    with Image.open(io.BytesIO(kept)) as found:
        assert found.size == (200, 300) and not found.getexif()


@pytest.mark.parametrize(
    "data", (b"", b"\xff\xd8\xffnot a picture", b"\x89PNG\r\n\x1a\n" + b"2" * 90, b"GIF89a" + b"0" * 60, jpeg()[:200])
)
def test_what_is_no_picture_is_refused_in_words(data):
    with pytest.raises(CraftError) as refused:
        cleaned(data, 300)
    assert refused.value.field == "photo" and say(refused.value.what).remedy


def test_a_small_file_of_very_many_pixels_is_refused_before_it_is_decoded():
    tracemalloc.start()
    with pytest.raises(CraftError, match="too-many-pixels"):
        cleaned(hollow_png(7800, 7600), 300)
    assert tracemalloc.get_traced_memory()[1] < 5_000_000
    tracemalloc.stop()


def test_a_culture_keeps_a_clean_picture_too_and_the_same_photo_twice_is_kept_once(client):
    path = "/api/cultures/gull/pictures/one"
    assert client.put(path, data=told_where()).status_code == 200
    assert PLACE not in client.get(path).data
    refused = client.put("/api/cultures/gull/pictures/two", data=b"\xff\xd8\xffnot a picture")
    assert refused.status_code == 422 and refused.json["errors"][0]["field"] == "photo"
    assert client.get(path).status_code == 200, "the one that was there stays"


@pytest.mark.parametrize("name", ("x,=1+1,y", '=cmd|" /C calc"!A0', "+1", "@a", "-2+3", "\t=1", 'say "=1"', "plain"))
def test_no_cell_of_a_cultures_file_is_a_formula_and_it_is_read_back_whole(name):
    kept = Culture(name.strip(), "strong_white", 100, Jar(300, 82, 150))
    text = culture_files.to_csv(kept, ())
    cells = [each for row in csv.reader(io.StringIO(text)) for each in row]
    assert not [each for each in cells if each.lstrip().startswith(("=", "+", "-", "@"))]
    assert culture_files.read(text)[0].name == kept.name


def test_a_cultures_file_of_an_earlier_program_is_still_read():
    text = culture_files.to_csv(Culture("Old", "strong_white", 100, Jar(300, 82, 150)), ())
    first = next(csv.reader(io.StringIO(text)))[0]
    old = first + "\n" + text.split("\n", 1)[1]
    assert culture_files.read(old)[0].name == "Old"


def test_a_cell_that_is_plain_stays_so():
    assert cell("Rye, coarse") == "Rye, coarse" and cell("=1") == "'=1"
