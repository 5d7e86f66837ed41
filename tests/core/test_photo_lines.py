"""A line over a photo gives it its scale, whichever way it runs and however large the photo is."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gentle_crust.core.errors import CraftError
from gentle_crust.core.loaf.photo_line import PhotoLine, checked, photo_width_mm


def test_a_loaf_that_fills_half_of_a_photo_makes_it_twice_as_wide():
    assert photo_width_mm(PhotoLine(0.25, 0.5, 0.75, 0.5, 210), 1600, 1200) == pytest.approx(420)


def test_a_line_down_the_photo_counts_its_height():
    """Half of 1,200 px is 600 px of the 1,600 that the photo is wide."""
    assert photo_width_mm(PhotoLine(0.5, 0.25, 0.5, 0.75, 90), 1600, 1200) == pytest.approx(90 * 1600 / 600)


@given(
    mm=st.floats(5, 1200),
    angle=st.integers(0, 3),
    shrunk=st.sampled_from([1, 2, 4]),
)
def test_neither_turning_its_ends_round_nor_shrinking_the_photo_changes_its_scale(mm, angle, shrunk):
    ends = [(0.2, 0.3), (0.7, 0.3), (0.7, 0.6), (0.2, 0.8)]
    (from_x, from_y), (to_x, to_y) = ends[angle], ends[(angle + 1) % 4]
    there = photo_width_mm(PhotoLine(from_x, from_y, to_x, to_y, mm), 1600, 1200)
    back = photo_width_mm(PhotoLine(to_x, to_y, from_x, from_y, mm), 1600 // shrunk, 1200 // shrunk)
    assert there == pytest.approx(back)
    assert there >= mm * 0.99


@pytest.mark.parametrize(
    ("line", "field"),
    [
        (PhotoLine(-0.01, 0.5, 0.75, 0.5, 210), "from_x"),
        (PhotoLine(0.25, 0.5, 0.75, 1.2, 210), "to_y"),
        (PhotoLine(0.25, 0.5, 0.75, 0.5, 2), "mm"),
        (PhotoLine(0.25, 0.5, 0.75, 0.5, 5000), "mm"),
        (PhotoLine(0.5, 0.5, 0.51, 0.52, 210), "to_x"),
    ],
)
def test_a_line_that_cannot_be_is_refused_by_its_field(line, field):
    with pytest.raises(CraftError) as refused:
        checked(line)
    assert refused.value.field == field
