"""Slices measured on a bake's photos: asked, kept, taken back, in the record, beside others and in the history."""

import io

import numpy as np
import pytest
from PIL import Image

from tests.api.test_log import compare, enter, get
from tests.api.test_log_files import bring, other, written_out
from tests.crumbs import slice_of

__all__ = ["other"]


def photo_of_slice(seed=3, **more):
    pixels, truth = slice_of(seed, px=700, count=110, **more)
    out = io.BytesIO()
    Image.fromarray((255 * pixels).astype(np.uint8)).save(out, "JPEG", quality=92)
    return out.getvalue(), truth


@pytest.fixture(scope="module")
def shots():
    return {"right": photo_of_slice(), "open": photo_of_slice(8, mean_mm=4.2), "dark": photo_of_slice(3, light=0.0)}


@pytest.fixture
def shot(day, shots):
    """Two bakes, each with the photo of a slice."""
    for key, on in (("right", 10), ("open", 17)):
        enter(day, key, f"2026-11-{on}T10:00", f"2026-11-{on}T18:30")
        assert day.client.put(f"/api/bench/{key}/photos/{key}-photo?part=", data=shots[key][0]).status_code == 200
    return day


def measure(day, photo="right-photo", **asked):
    return day.client.get(f"/api/photos/{photo}/slice", query_string={"width_mm": 120, **asked})


def keep(day, bake="right", key=None, **body):
    body = {"photo": f"{bake}-photo", "width_mm": 120, **body}
    return day.press("bake_sliced", body, dough=bake, **({"key": key} if key else {}))


def kept(day, bake="right"):
    return get(day, f"/api/bakes/{bake}")["bake"]["photos"][0]["slice"]


def test_a_slice_is_measured_as_it_is_and_its_holes_can_be_drawn(shot, shots):
    found, truth = measure(shot).json, shots["right"][1]
    assert found["read"]["holes_fraction"] == pytest.approx(truth.holes_fraction, rel=0.1)
    assert found["read"]["mean_cell_mm2"] == pytest.approx(truth.mean_cell_mm2, rel=0.1)
    assert found["read"]["largest_mm"] == pytest.approx(truth.largest_mm, rel=0.2)
    assert found["doubt"] is None and len(found["rings"]) >= 90
    assert all(0 <= x <= 1 and 0 <= y <= 1 for ring in found["rings"] for x, y in ring)
    assert kept(shot) is None, "asking keeps nothing"


def test_a_threshold_moved_by_the_baker_finds_more_or_fewer(shot):
    shares = [measure(shot, shift=shift).json["read"]["holes_fraction"] for shift in (-0.12, 0, 0.12)]
    assert shares[0] < shares[1] < shares[2]


def test_half_the_width_is_a_quarter_of_each_hole(shot):
    whole, half = (measure(shot, width_mm=width).json["read"]["largest_mm"] for width in (120, 60))
    assert half == pytest.approx(whole / 2, rel=0.05)


@pytest.mark.parametrize(
    ("asked", "field"), [({"width_mm": 5}, "width_mm"), ({"shift": 0.5}, "shift"), ({"width_mm": "wide"}, "width_mm")]
)
def test_a_width_or_threshold_that_cannot_be_is_named(shot, asked, field):
    answer = measure(shot, **asked)
    assert answer.status_code in (400, 422)
    assert answer.json["errors"][0]["field"].endswith(field)


def test_a_photo_that_is_gone_is_said(shot):
    answer = measure(shot, "never")
    assert answer.status_code == 404 and answer.json["errors"][0]["remedy"]


def test_figures_are_kept_with_the_photo_and_the_last_counts(shot):
    assert keep(shot)["refused"] == []
    first = kept(shot)
    assert first["width_mm"] == 120 and first["read"]["quality"]["usable"]
    keep(shot, key="second", shift=0.1)
    assert kept(shot)["read"]["holes_fraction"] > first["read"]["holes_fraction"]
    shot.press("bake_withdrawn", {"event": "second"}, dough="right")
    assert kept(shot) == first


def test_what_is_kept_was_measured_here_whatever_is_sent(shot, shots):
    keep(shot, read={"holes_fraction": 0.99}, slice={"read": {"holes_fraction": 0.99}})
    assert kept(shot)["read"]["holes_fraction"] == pytest.approx(shots["right"][1].holes_fraction, rel=0.1)


@pytest.mark.parametrize(
    ("body", "field"),
    [
        ({"photo": "open-photo"}, "photo"),
        ({"width_mm": None}, "width_mm"),
        ({"width_mm": "a hand"}, "width_mm"),
        ({"width_mm": 2}, "width_mm"),
        ({"shift": 3}, "shift"),
    ],
)
def test_what_cannot_be_measured_is_refused_and_nothing_is_kept(shot, body, field):
    refused = keep(shot, **body)["refused"]
    assert [each["field"] for each in refused] == [field] and refused[0]["remedy"]
    assert kept(shot) is None


def test_a_picture_without_a_slice_is_not_kept(shot):
    plain = io.BytesIO()
    Image.new("RGB", (900, 600), "tan").save(plain, "JPEG")
    assert shot.client.put("/api/bench/right/photos/plain?part=", data=plain.getvalue()).status_code == 200
    assert "No slice" in measure(shot, "plain").json["doubt"]
    assert keep(shot, photo="plain")["refused"][0]["field"] == "photo"


def test_slices_side_by_side_and_in_the_history(shot):
    for key in ("right", "open"):
        keep(shot, key)
        shot.press("bake_loaf", {"liked": 4}, dough=key)
    lines = {str(line["what"]): line for line in compare(shot, "right", "open")["compared"]["lines"]}
    assert lines["holes in the slice"]["values"][0].endswith("%")
    assert lines["mean hole, mm²"]["differs"] and not lines["mean hole, mm²"]["counts"]
    history = get(shot, "/api/formulas/tidewater-country/history")["history"]
    holes = {bake["id"]: bake["loaf"]["holes"] for version in history["versions"] for bake in version["bakes"]}
    assert holes["right"] == pytest.approx(kept(shot)["read"]["holes_fraction"])
    assert holes["open"] == pytest.approx(kept(shot, "open")["read"]["holes_fraction"])


def test_slices_go_out_and_in_again_with_their_bakes(shot, other):
    keep(shot)
    assert bring(other, written_out(shot)).status_code == 200
    assert kept(other) == kept(shot)
