"""A slice read from its picture, against slices whose holes are known."""

import json
import subprocess
import sys

import numpy as np
import pytest
from PIL import Image
from scipy import ndimage

from gentle_crust.core.crumb.measure import BANDS, outlines, read_crumb
from gentle_crust.core.crumb.read import unlike_crumb
from gentle_crust.core.errors import CraftError
from gentle_crust.interchange.crumb_photo import of_file, read_photo
from gentle_crust.text.render import say
from tests.crumbs import slice_of

SLICES = {
    "plain": {}, "uneven light": {"light": 0.25}, "on white": {"ground": (0.95, 0.95, 0.95)},
    "on black": {"ground": (0.03, 0.03, 0.03)}, "on wood": {"ground": (0.55, 0.38, 0.22)}, "noisy": {"noise": 0.05},
    "soft": {"blur": 2.2}, "fine": {"count": 420, "mean_mm": 1.6}, "wild": {"count": 40, "mean_mm": 6.0, "spread": 0.6},
    "small picture": {"px": 600}, "wide": {"width_mm": 200.0, "mean_mm": 4.0},
}  # fmt: skip


@pytest.mark.many
@pytest.mark.parametrize("name", SLICES)
def test_holes_are_measured_as_they_are(name):
    more = SLICES[name]
    picture, truth = slice_of(11, **more)
    found, _ = read_crumb(picture, more.get("width_mm", 120.0))
    assert found.quality.usable and found.quality.why == ""
    assert found.holes_fraction == pytest.approx(truth.holes_fraction, rel=0.10)
    assert found.mean_cell_mm2 == pytest.approx(truth.mean_cell_mm2, rel=0.10)
    assert found.cells_per_cm2 == pytest.approx(truth.cells_per_cm2, rel=0.20)
    assert found.largest_mm == pytest.approx(truth.largest_mm, rel=0.20)
    assert len(found.top_to_bottom) == BANDS and found.dense_line is None


@pytest.mark.many
@pytest.mark.parametrize("name", SLICES)
def test_a_drawn_crumb_is_taken_for_one(name):
    found, _ = read_crumb(slice_of(11, **SLICES[name])[0], SLICES[name].get("width_mm", 120.0))
    assert not unlike_crumb(found)


def test_marks_too_few_and_too_large_are_not_taken_for_crumb():
    found, _ = read_crumb(slice_of(3, count=4, mean_mm=16.0, spread=0.1)[0], 120.0)
    assert found.quality.usable and unlike_crumb(found)


def test_the_width_is_the_slices_and_not_the_pictures():
    picture, truth = slice_of(5)
    wide = np.pad(picture, ((0, 0), (300, 300), (0, 0)), mode="edge")
    found, where = read_crumb(wide, 120.0)
    assert found.mean_cell_mm2 == pytest.approx(truth.mean_cell_mm2, rel=0.10)
    assert where.mm_per_px == pytest.approx(120 / 800, rel=0.02)
    double, _ = read_crumb(picture, 240.0)
    assert double.mean_cell_mm2 == pytest.approx(4 * truth.mean_cell_mm2, rel=0.10)


def test_a_dense_line_is_found_and_told_from_the_base():
    picture, _ = slice_of(3, dense_mm=10.0, count=220)
    line = read_crumb(picture, 120.0)[0].dense_line
    assert line is not None and line.from_mm <= 3 and 9 <= line.to_mm <= 16


def test_even_holes_are_more_even_than_wild_ones_and_few_have_no_evenness():
    even = read_crumb(slice_of(4, spread=0.1)[0], 120.0)[0].evenness
    wild = read_crumb(slice_of(4, spread=0.8)[0], 120.0)[0].evenness
    assert even > wild + 0.15
    assert read_crumb(slice_of(4, count=6)[0], 120.0)[0].evenness is None


def test_holes_low_in_the_slice_stand_low_in_the_bands():
    picture, _ = slice_of(8, dense_mm=30.0, count=120)
    bands = read_crumb(picture, 120.0)[0].top_to_bottom
    assert sum(bands[:5]) > 4 * sum(bands[6:])


def test_the_baker_moves_the_threshold():
    picture, _ = slice_of(6, noise=0.03)
    fewer, usual, more = (read_crumb(picture, 120.0, shift)[0].holes_fraction for shift in (-0.15, 0.0, 0.08))
    assert fewer < usual < more


def test_holes_are_drawn_over_the_picture():
    picture, _ = slice_of(7, count=30, mean_mm=5.0)
    rings = outlines(read_crumb(picture, 120.0)[1])
    assert 25 <= len(rings) <= 40
    assert all(0 <= x <= 1 and 0 <= y <= 1 for ring in rings for x, y in ring)


@pytest.mark.parametrize(
    ("spoilt", "why"),
    [
        (lambda p: p * 0.08, "dark"), (lambda p: np.full_like(p, 0.4), "no_slice"), (lambda p: p[::9, ::9], "small"),
    ],
)  # fmt: skip
def test_a_picture_that_cannot_be_read_is_said_to_be_so(spoilt, why):
    picture, _ = slice_of(2)
    found, _ = read_crumb(spoilt(picture), 120.0)
    assert not found.quality.usable and found.quality.why == why


@pytest.mark.parametrize("degrees", [15, 25, -20])
def test_a_slice_that_lies_askew_is_said_to_be_so(degrees):
    picture, _ = slice_of(3)
    turned = ndimage.rotate(picture, degrees, axes=(0, 1), reshape=True, order=1, mode="nearest")
    assert read_crumb(np.clip(turned, 0, 1), 120.0)[0].quality.why == "oblique"
    little = ndimage.rotate(picture, degrees / 5, axes=(0, 1), reshape=True, order=1, mode="nearest")
    assert read_crumb(np.clip(little, 0, 1), 120.0)[0].quality.usable


@pytest.mark.parametrize(("nearer", "why"), [(0.15, ""), (0.5, "oblique"), (-0.6, "oblique")])
def test_a_slice_taken_from_one_side_is_said_to_be_so(nearer, why):
    """One side of the picture is nearer than the other, by that share of the middle."""
    picture, _ = slice_of(3)
    high, wide, _ = picture.shape
    down, across = np.mgrid[0:high, 0:wide]
    at = (down - high / 2) * (1 + nearer * (across / wide - 0.5)) + high / 2
    seen = [ndimage.map_coordinates(picture[..., each], [at, across], order=1, mode="nearest") for each in range(3)]
    assert read_crumb(np.stack(seen, -1), 120.0)[0].quality.why == why


def test_a_blurred_picture_is_said_to_be_so():
    picture, _ = slice_of(2, blur=26.0)
    assert read_crumb(picture, 120.0)[0].quality.why == "blurred"


def test_a_photo_on_its_side_is_turned_upright(tmp_path):
    picture, truth = slice_of(9)
    upright = Image.fromarray((picture * 255).astype(np.uint8))
    exif = Image.Exif()
    exif[0x0112] = 6
    upright.rotate(90, expand=True).save(tmp_path / "phone.jpg", exif=exif, quality=92)
    found = of_file(tmp_path / "phone.jpg", 120.0)
    assert found["mean_cell_mm2"] == pytest.approx(truth.mean_cell_mm2, rel=0.10)


def test_what_is_no_photo_or_no_slices_width_is_refused(tmp_path):
    for data in (b"", b"no picture", b"\xff\xd8\xff broken"):
        with pytest.raises(CraftError) as refused:
            read_photo(data, 120.0)
        assert refused.value.field == "photo" and str(say(refused.value.what))
    picture, _ = slice_of(1, px=600)
    with pytest.raises(CraftError) as refused:
        read_crumb(picture, 5.0)
    assert refused.value.field == "width_mm"


def crumb(*arguments):
    return subprocess.run(
        [sys.executable, "-m", "gentle_crust.cli", "crumb", *map(str, arguments)],
        capture_output=True,
        text=True,
        check=False,
    )


def test_the_command_of_the_contract(tmp_path):
    picture, truth = slice_of(10)
    Image.fromarray((picture * 255).astype(np.uint8)).save(tmp_path / "slice.png")
    found = json.loads(crumb(tmp_path / "slice.png", "--width-mm", 120).stdout)
    assert set(found) == {
        "holes_fraction", "cells_per_cm2", "mean_cell_mm2", "largest_mm", "evenness", "top_to_bottom", "dense_line",
        "quality",
    }  # fmt: skip
    assert found["holes_fraction"] == pytest.approx(truth.holes_fraction, rel=0.1)
    assert found["quality"] == {"usable": True, "why": ""}
    for wrong in ((), (tmp_path / "slice.png",), (tmp_path / "none.png", "--width-mm", 120)):
        refused = crumb(*wrong)
        assert refused.returncode == 2 and json.loads(refused.stderr)["status"] == 422
    assert "dense_line" in json.loads(crumb("--schema").stdout)["properties"]
    assert "blurred" in json.loads(crumb("--codes").stdout)["quality"]
