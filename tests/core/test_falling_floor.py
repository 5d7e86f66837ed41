"""A fired oven's afternoon: it falls as it stands and as it bakes, and breads have their turn by the heat they like."""

from itertools import pairwise

import pytest

from gentle_crust.core.errors import CraftError
from gentle_crust.core.oven.equipment import Oven
from gentle_crust.core.oven.falling import (
    NEAR_K,
    REST_MIN,
    SHUT_MIN,
    THIN_K,
    Bread,
    afternoon,
    floor_says,
    likes_c,
    standing,
)
from gentle_crust.core.oven.kit import Fired
from gentle_crust.core.oven.loaf import Loaf

OVEN = Oven(kind="wood", volume_l=150)
BREADS = [
    Bread("round", "Flat round", Loaf(250, shape="flat_round"), 4),
    Bread("loaf", "Country loaf", Loaf(850), 4),
    Bread("stick", "Stick", Loaf(350, shape="baguette"), 6),
    Bread("tin", "Tin loaf", Loaf(900, shape="pan_loaf"), 3),
    Bread("bun", "Sweet bun", Loaf(80, shape="roll", sugar=0.12), 12),
]


@pytest.fixture(scope="module")
def day():
    return afternoon(OVEN, Fired(330, 360, 30), BREADS)


def of(found):
    return {each.id: each for each in found.turns}


def test_a_shut_oven_falls_slowly_and_its_floor_follows_the_dome():
    told = standing(OVEN, Fired(330, 360, 30), 460)
    assert (told[0].min, told[-1].min) == (0, 460)
    assert all(after.dome_c <= before.dome_c + 0.5 for before, after in pairwise(told))
    hour = next(each for each in told if each.min == 60)
    assert 8 <= told[0].dome_c - hour.dome_c <= 60
    assert abs(told[-1].floor_c - told[-1].dome_c) < 15


def test_an_oven_waits_no_longer_than_its_floor_takes_to_fall():
    told = standing(OVEN, Fired(330, 330, 60), 400, until_c=320)
    assert told[-1].floor_c == pytest.approx(320, abs=1) and 0 < told[-1].min < 400
    assert len(standing(OVEN, Fired(300, 330, 60), 400, until_c=320)) == 1


def test_breads_follow_one_another_from_the_hottest_to_the_coolest(day):
    assert day.turns[0].id == "round"
    likes = [each.floor_c for each in day.turns]
    assert likes == sorted(likes, reverse=True)
    baked = [each for each in day.turns if each.from_min is not None]
    assert len(baked) >= 3
    for before, after in pairwise(baked):
        assert after.from_min >= before.to_min + REST_MIN - 1, "a load is out, and the floor has come back"
    assert all(each.to_min > each.from_min for each in baked)


def test_each_is_loaded_on_a_floor_that_suits_it(day):
    for turn in day.turns:
        if turn.from_min is None:
            continue
        near = min(day.stands, key=lambda each, at=turn.from_min: abs(each.min - at))
        assert near.floor_c <= turn.floor_c + (THIN_K if turn.id == "round" else NEAR_K) + 1


def test_who_would_wait_long_leaves_the_door_ajar(day):
    told = standing(OVEN, Fired(330, 330, 60), 400, until_c=300)
    quicker = standing(OVEN, Fired(330, 330, 60), 400, 300, 45.0)
    assert quicker[-1].min < told[-1].min and told[-1].min > SHUT_MIN
    tin = of(afternoon(OVEN, Fired(320, 330, 60), BREADS[3:4]))["tin"]
    assert tin.ajar and tin.from_min is not None
    assert not of(afternoon(OVEN, Fired(250, 260, 60), BREADS[3:4]))["tin"].ajar


def test_bread_takes_heat_that_a_standing_oven_keeps(day):
    until = day.stands[-1].min
    empty = standing(OVEN, Fired(330, 360, 30), min(until, 460))
    assert day.stands[-1].dome_c < empty[-1].dome_c + 1


def test_what_is_too_cool_already_and_what_stays_too_hot_are_said_to_be():
    cool = of(afternoon(OVEN, Fired(200, 210, 60), BREADS))
    assert cool["round"].suits == cool["loaf"].suits == "no_more" and cool["tin"].suits in ("slowly", "now")
    cake = Bread("cake", "Cake", Loaf(900, shape="pan_loaf", sugar=0.3), 1)
    hot = of(afternoon(OVEN, Fired(520, 540, 30), [cake]))["cake"]
    assert hot.suits == "later" and hot.ajar and hot.from_min > 200


def test_no_bread_is_forgotten_and_no_breads_are_none():
    assert set(of(afternoon(OVEN, Fired(300, 320, 30), BREADS))) == {each.id for each in BREADS}
    assert afternoon(OVEN, Fired(300, 320, 30), []).turns == ()


def test_sweet_breads_like_it_cooler_than_lean_ones():
    lean, sweet = Loaf(80, shape="roll"), Loaf(80, shape="roll", sugar=0.12)
    assert likes_c(sweet) < likes_c(lean) - 10


@pytest.mark.parametrize(("floor", "dome", "field"), [(20, 300, "floor_c"), (300, 900, "dome_c")])
def test_heat_that_no_oven_has_is_refused_by_its_name(floor, dome, field):
    with pytest.raises(CraftError) as refused:
        afternoon(OVEN, Fired(floor, dome, 30), BREADS)
    assert refused.value.field == field


def test_flour_tells_hotter_floors_sooner():
    codes = [str(floor_says(floor)) for floor in (180, 240, 300, 380)]
    assert len(set(codes)) == 4
