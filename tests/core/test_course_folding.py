"""When a dough is folded: as it is wished, closer together as there is time, and not while the baker sleeps."""

from datetime import UTC, datetime
from itertools import pairwise
from zoneinfo import ZoneInfo

import pytest

from gentle_crust.core.clock import Clock, Nights, Room
from gentle_crust.core.course.folding import folds_awake, folds_h
from gentle_crust.core.course.method import Series

FOUR = (Series("stretch", 4, 30, (30, 30)),)
EASY = (Series("stretch", 4, 30, (20, 44)),)


def evening(hour: int) -> Clock:
    """A clock that begins at so many o'clock; the baker sleeps from half past ten to half past six."""
    return Clock(
        datetime(2026, 11, 28, hour, tzinfo=UTC), ZoneInfo("Europe/Lisbon"), Nights(22.5, 6.5), Room(22, 19, 4)
    )


def minutes(times: tuple[float, ...]) -> list[float]:
    """Times of folds in whole minutes."""
    return [round(60 * each) for each in times]


def test_folds_fall_as_they_are_wished_where_there_is_time() -> None:
    assert minutes(folds_h(FOUR, 3.0)) == [30, 60, 90, 120]
    assert minutes(folds_h(EASY, None)) == [30, 62, 94, 126], "the middle of what was stated"


def test_a_second_series_begins_a_gap_after_the_first_at_the_soonest() -> None:
    series = (Series("bowl", 2, 25, (25, 25)), Series("coil", 2, 10, (40, 40)))
    assert minutes(folds_h(series, None)) == [25, 50, 90, 130], "not at ten minutes, before the first has ended"
    later = (Series("bowl", 2, 25, (25, 25)), Series("coil", 1, 120, (40, 40)))
    assert minutes(folds_h(later, None)) == [25, 50, 120]


@pytest.mark.parametrize("hours", [0.4, 0.75, 1.0, 1.5, 2.0])
def test_in_a_short_bulk_folds_come_closer_together_or_fewer_and_none_at_its_end(hours: float) -> None:
    for wished in (FOUR, EASY):
        times = folds_h(wished, hours)
        assert all(0 < at <= hours - 0.19 for at in times), "a fold at the very end is none"
        assert all(after - before >= 1 / 6 - 1e-9 for before, after in pairwise(times)), "ten minutes at the least"
        assert len(times) <= 4


def test_what_was_stated_as_a_span_is_not_drawn_closer_than_its_least() -> None:
    times = folds_h(EASY, 1.2)
    assert len(times) < 4
    assert all(after - before >= 20 / 60 - 1e-9 for before, after in pairwise(times))


def test_no_folds_are_no_folds() -> None:
    assert folds_h((), 4.0) == ()
    assert folds_h((Series("coil", 0, 30, (30, 30)),), 4.0) == ()


def test_by_day_nothing_is_moved() -> None:
    folds = folds_h(FOUR, 4.0)
    assert folds_awake(evening(15), 0.0, folds) == folds


def test_before_bedtime_folds_are_drawn_together() -> None:
    clock, folds = evening(21), folds_h(FOUR, 6.0)
    drawn = folds_awake(clock, 0.0, folds)
    assert len(drawn) == 4 and drawn != folds
    assert all(clock.asleep_min(at, at + 1 / 20) == 0 for at in drawn)
    assert max(drawn) <= 1.5, "bed is at half past ten"


def test_just_before_bedtime_those_that_find_no_room_are_left_out() -> None:
    clock = evening(22)
    drawn = folds_awake(clock, 0.0, folds_h(FOUR, 6.0))
    assert 0 < len(drawn) < 4
    assert all(clock.asleep_min(at, at + 1 / 20) == 0 for at in drawn)


def test_a_dough_that_was_mixed_in_the_night_is_folded_after_waking_only() -> None:
    clock = evening(5)
    drawn = folds_awake(clock, 0.0, folds_h(FOUR, 6.0))
    assert minutes(drawn) == [90, 120], "half past six is the first hour that anybody is up"
