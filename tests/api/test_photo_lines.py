"""Widths marked in photos: kept with the bake, the last one counts, taken back like any press, out and in again."""

import io
import zipfile

import pytest

from tests.api.conftest import PLAN
from tests.api.test_log import compare, enter, get, picture
from tests.api.test_log_files import bring, other, written_out

__all__ = ["other"]
LINE = {"from_x": 0.2, "from_y": 0.5, "to_x": 0.7, "to_y": 0.5, "mm": 200}


@pytest.fixture
def shot(day):
    """Two bakes with a photo each, of 900 x 600."""
    for key, on in (("pot", 10), ("stone", 17)):
        enter(day, key, f"2026-11-{on}T10:00", f"2026-11-{on}T18:30", vessel_id=key)
        put = day.client.put(f"/api/bench/{key}/photos/{key}-photo?part=", data=picture())
        assert put.status_code == 200
    return day


def mark(day, line=LINE, photo="pot-photo", bake="pot", key=None):
    return day.press("bake_scaled", {"photo": photo, "line": line}, dough=bake, **({"key": key} if key else {}))


def photo_of(day, bake="pot"):
    return get(day, f"/api/bakes/{bake}")["bake"]["photos"][0]


def test_a_photo_has_no_scale_until_a_width_is_marked_in_it(shot):
    assert photo_of(shot)["line"] is None and photo_of(shot)["shows_mm"] is None
    assert mark(shot)["refused"] == []
    assert photo_of(shot)["line"] == LINE
    assert photo_of(shot)["shows_mm"] == pytest.approx(400)


def test_both_sides_of_a_comparison_have_their_own_scale(shot):
    mark(shot)
    mark(shot, {**LINE, "to_x": 0.6, "mm": 160}, "stone-photo", "stone")
    sides = compare(shot, "pot", "stone")["sides"]
    assert [round(side["photos"][0]["shows_mm"]) for side in sides] == [400, 400]


def test_the_last_mark_counts_and_taken_back_the_one_before_it(shot):
    mark(shot)
    mark(shot, {**LINE, "mm": 100}, key="second")
    assert photo_of(shot)["shows_mm"] == pytest.approx(200)
    shot.press("bake_withdrawn", {"event": "second"}, dough="pot")
    assert photo_of(shot)["shows_mm"] == pytest.approx(400)


@pytest.mark.parametrize(
    ("body", "field"),
    [
        ({"photo": "stone-photo", "line": LINE}, "photo"),
        ({"photo": "never", "line": LINE}, "photo"),
        ({"line": LINE}, "photo"),
        ({"photo": "pot-photo"}, "line"),
        ({"photo": "pot-photo", "line": "wide"}, "line"),
        ({"photo": "pot-photo", "line": {**LINE, "to_x": 1.4}}, "to_x"),
        ({"photo": "pot-photo", "line": {**LINE, "mm": 0}}, "mm"),
        ({"photo": "pot-photo", "line": {**LINE, "to_x": 0.21}}, "to_x"),
    ],
)
def test_a_mark_that_cannot_be_is_refused_and_nothing_is_kept(shot, body, field):
    refused = shot.press("bake_scaled", body, dough="pot")["refused"]
    assert len(refused) == 1
    assert refused[0]["field"] == field and refused[0]["remedy"]
    assert photo_of(shot)["line"] is None


def test_marks_go_out_and_in_again_with_their_bakes(shot, other):
    mark(shot)
    assert bring(other, written_out(shot)).status_code == 200
    assert photo_of(other) == photo_of(shot)


def test_a_mark_that_somebody_wrote_wrongly_into_a_file_costs_only_itself(shot, other):
    mark(shot, key="mark")
    packed = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(written_out(shot))) as good, zipfile.ZipFile(packed, "w") as bad:
        for name in good.namelist():
            bad.writestr(name, good.read(name).replace(b'"mm":', b'"mn":'))
    assert bring(other, packed.getvalue()).status_code == 200
    assert photo_of(other)["line"] is None


def test_a_live_dough_shows_its_marked_photo_on_the_bench(day):
    day.mixed()
    day.client.put(f"/api/bench/{PLAN}/photos/live?part=", data=picture())
    assert mark(day, photo="live", bake=PLAN)["refused"] == []
    assert [each["kind"] for each in day.dough()["history"]][-1] == "bake_scaled"
