"""Percent, grams and pieces: three sides of one formula, whatever is locked."""

import math
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.edit import Lock, flour_g, opened_mm, set_grams, set_share, settled
from gentle_crust.core.formula.flour import Lot, MyFlour
from gentle_crust.core.formula.model import (
    Extra,
    FlourShare,
    Formula,
    Preferment,
    Soaker,
    check,
    final_water_percent,
    with_yeast_kind,
)
from gentle_crust.core.formula.scaling import total_percent, totals, weigh
from gentle_crust.text.render import say

PREFERMENTS = st.lists(
    st.builds(
        Preferment,
        st.sampled_from(["levain", "poolish", "biga", "sponge", "old_dough"]),
        st.sampled_from(["strong_white", "rye"]),
        st.floats(1, 9),
        st.floats(50, 120),
        st.floats(0.05, 1),
        st.floats(0, 0.5),
    ),
    max_size=5,
)


@st.composite
def formulas(draw):
    """Bread formulas of every make, each of which can be made."""
    preferments = tuple(draw(PREFERMENTS))
    preferments = tuple(replace(one, salt_percent=0) if one.kind != "old_dough" else one for one in preferments)
    soakers = (Soaker("Oats", draw(st.sampled_from(["soaker", "scald"])), draw(st.floats(0, 6)),
                      (FlourShare("strong_white", draw(st.floats(0, 5))),), (Extra("Oats", "seeds", 4),)),)  # fmt: skip
    white = draw(st.floats(55, 100))
    made = Formula(
        "Any", (FlourShare("strong_white", white), FlourShare("rye", 100 - white)),
        draw(st.floats(70, 110)), draw(st.floats(1, 3)), "boule",
        (Extra("Honey", "honey", draw(st.floats(0, 6))), Extra("Milk", "milk", draw(st.floats(0, 9)), late=True)),
        preferments, draw(st.floats(0.1, 2)), draw(st.floats(60, 4500)), draw(st.integers(1, 60)),
        yeast_kind=draw(st.sampled_from(["instant", "active_dry", "fresh"])),
        soakers=draw(st.sampled_from([(), soakers])),
    )  # fmt: skip
    try:
        check(made)
    except CraftError:
        return replace(made, preferments=(), soakers=())
    return replace(made, held_back_percent=min(3, final_water_percent(made)))


@settings(max_examples=150, deadline=None)
@given(formulas())
def test_totals_are_conserved_through_any_number_of_preferments_and_soakers(formula):
    weighed = weigh(formula, formula.pieces, formula.scaling_weight_g)
    lines = [line for stage in weighed.stages for line in stage.lines]
    near = pytest.approx
    assert all(line.g > 0 for line in lines)
    assert weighed.dough.g == near(weighed.dough_g, abs=0.1)
    assert weighed.dough_g * 0.99 == near(formula.pieces * formula.scaling_weight_g, abs=0.1)
    assert sum(line.g for line in lines if line.role == "flour") == near(weighed.flour_g, abs=0.1)
    salt = sum(line.g for line in lines if line.role == "salt")
    assert salt == near(weighed.flour_g * formula.salt_percent / 100, abs=0.1)
    assert sum(total.g for total in totals(formula, weighed.flour_g)) == near(weighed.dough_g, abs=0.1)
    assert sum(total.share for total in totals(formula, weighed.flour_g)) == near(1)


@settings(max_examples=150, deadline=None)
@given(formulas(), st.sampled_from(["pieces", "dough", "flour"]), st.floats(0.9, 1.1), st.data())
def test_grams_set_are_grams_had_and_the_lock_is_kept(formula, kind, factor, data):
    dough = formula.pieces * formula.scaling_weight_g / 0.99
    lock = Lock(kind, g=dough if kind == "dough" else flour_g(formula))
    line = data.draw(st.sampled_from([total.line for total in totals(formula, 1) if total.line != "preferment_yeast"]))
    grams = factor * next(total.g for total in totals(formula, flour_g(formula)) if total.line == line)
    try:
        other = set_grams(formula, lock, line, grams)
    except CraftError:
        return
    had = next(total.g for total in totals(other, flour_g(other)) if total.line == line)
    kept = flour_g(other) if kind == "flour" else other.pieces * other.scaling_weight_g / 0.99
    assert kept == pytest.approx(flour_g(formula) if kind == "flour" else dough, abs=0.1)
    if not line.startswith("flours.") or kind == "flour":
        assert had == pytest.approx(grams, abs=0.1)


@settings(max_examples=100, deadline=None)
@given(formulas(), st.floats(0.02, 0.5))
def test_a_dragged_share_is_the_share_had(formula, share):
    other = set_share(formula, Lock(), "water", share)
    water = next(total for total in totals(other, flour_g(other)) if total.line == "water")
    assert water.share == pytest.approx(share)
    assert (other.pieces, other.scaling_weight_g) == (formula.pieces, formula.scaling_weight_g)


WHITE = Formula("White", (FlourShare("strong_white", 80), FlourShare("rye", 20)), 70, 2, "boule", yeast_percent=0.5)


def test_locks_by_hand():
    """172.5 g of dough to 100 of flour: 1000 g flour make 1725 g, 2 pieces of 853.9 g after the bowl's hundredth."""
    assert settled(WHITE, Lock("flour", g=1000)).scaling_weight_g == pytest.approx(1725 * 0.99 / 2)
    assert settled(WHITE, Lock("bag", g=200, flour_key="rye")).scaling_weight_g == pytest.approx(1725 * 0.99 / 2)
    assert settled(WHITE, Lock("dough", g=2000)).scaling_weight_g == pytest.approx(990)
    assert settled(WHITE, Lock("tin", tin_ml=1800, g_per_ml=0.5)).scaling_weight_g == 900


def test_water_by_grams_with_the_flour_locked_by_hand():
    other = set_grams(WHITE, Lock("flour", g=1000), "water", 750)
    assert other.hydration_percent == pytest.approx(75) and flour_g(other) == pytest.approx(1000)


def test_a_preferment_by_its_whole_grams():
    """200 g of levain at 100 % in 1000 g flour is 10 % of the flour."""
    formula = replace(WHITE, preferments=(Preferment("levain", "strong_white", 5, 100),), yeast_percent=0)
    other = set_grams(formula, Lock("flour", g=1000), "preferments.0", 200)
    assert other.preferments[0].flour_percent == pytest.approx(10)


def test_the_other_flours_make_room():
    other = set_grams(WHITE, Lock("flour", g=1000), "flours.1", 300)
    assert [share.percent for share in other.flours] == pytest.approx([70, 30])
    alone = replace(WHITE, flours=(FlourShare("strong_white", 100),))
    assert flour_g(set_grams(alone, Lock(), "flours.0", 500)) == pytest.approx(500)


@pytest.mark.parametrize(
    ("lock", "line", "grams", "field"),
    [
        (Lock("dough", g=10), "water", 5, "lock.g"),
        (Lock("bag", g=500, flour_key="spelt"), "water", 300, "lock.flour_key"),
        (Lock("tin", tin_ml=0), "water", 300, "lock.tin_ml"),
        (Lock(), "water", 5000, "water"),
        (Lock(), "water", -1, "water"),
        (Lock(), "extras.3", 10, "line"),
        (Lock(), "gold", 10, "line"),
        (Lock("flour", g=1000), "flours.1", 2000, "flours.1"),
    ],
)
def test_what_cannot_be_kept_names_its_field(lock, line, grams, field):
    with pytest.raises(CraftError) as refused:
        set_grams(WHITE, lock, line, grams)
    assert refused.value.field == field and say(refused.value.what).remedy


@pytest.mark.parametrize(("kind", "percent"), [("fresh", 0.5 / 0.33), ("active_dry", 0.5 * 0.4 / 0.33)])
def test_yeast_kinds_are_as_strong_as_each_other(kind, percent):
    other = with_yeast_kind(WHITE, kind)
    assert other.yeast_percent == pytest.approx(percent, abs=1e-5)
    assert other.instant_yeast_percent == pytest.approx(0.5, abs=1e-5)


def test_own_flours_change_what_the_dough_carries():
    thirsty = MyFlour("sack", "Sack 41", "strong_white", absorption_percent=72, lots=(Lot("Mill", price_per_kg=2),))
    strong = MyFlour("bag", "Strong", "strong_white", protein_percent=14.5)
    assert replace(WHITE, flours=(FlourShare("strong_white", 100, thirsty),)).blend("absorption_percent") == 72
    by_protein = replace(WHITE, flours=(FlourShare("strong_white", 100, strong),))
    assert by_protein.blend("absorption_percent") == pytest.approx(67 + 2 * 1.2)
    assert by_protein.blend("strength") > 1 and by_protein.blend("protein_percent") == 14.5
    mixed = replace(WHITE, flours=(FlourShare("strong_white", 50), FlourShare("strong_white", 50, thirsty)))
    names = [say(line.name).sentence for line in weigh(mixed, 1, 800).dough.lines if line.role == "flour"]
    assert names == ["Strong white", "Sack 41"]


def test_a_levain_that_asks_too_much_is_refused_by_name():
    for preferments, field in (
        ((Preferment("levain", "rye", 15, 100), Preferment("biga", "rye", 10, 50, 0.1)), "preferments.0.flour_percent"),
        ((Preferment("old_dough", "strong_white", 60, 60, 0.2, 5),), "salt_percent"),
        ((Preferment("poolish", "strong_white", 55, 150, 0.1),), "preferments.0.hydration_percent"),
    ):
        with pytest.raises(CraftError) as refused:
            check(replace(WHITE, preferments=preferments))
        assert refused.value.field == field
    assert total_percent(WHITE) == 172.5


ROUND = Formula("Rounds", (FlourShare("strong_white", 100),), 65, 2, "flat_round", yeast_percent=0.2)


def test_dough_and_weight_of_a_piece_give_the_pieces() -> None:
    found = settled(replace(WHITE, pieces=2, scaling_weight_g=250), Lock("count", g=2000))
    assert found.pieces == 8 and found.scaling_weight_g == pytest.approx(2000 * 0.99 / 8)
    # Asked again it is the same: the weight that came of it is near enough to the one that was wished.
    assert settled(found, Lock("count", g=2000)) == found


def test_a_round_is_as_wide_and_thick_as_its_weight_allows() -> None:
    found = settled(ROUND, Lock("round", diameter_cm=30, thickness_mm=3.5))
    assert found.scaling_weight_g == pytest.approx(math.pi / 4 * 30**2 * 0.35 * 1.05)
    assert opened_mm(found.scaling_weight_g, 30) == pytest.approx(3.5)
    wider = settled(ROUND, Lock("round", diameter_cm=33, thickness_mm=3.5))
    assert wider.scaling_weight_g / found.scaling_weight_g == pytest.approx((33 / 30) ** 2)


def test_a_tin_by_its_sides_holds_what_water_would_tell() -> None:
    lock = Lock("tin", tin_cm=(23, 13, 7), g_per_ml=0.48)
    assert lock.volume_ml == pytest.approx(23 * 13 * 7 * 0.94)
    assert settled(WHITE, lock).scaling_weight_g == pytest.approx(lock.volume_ml * 0.48)
    by_water = Lock("tin", tin_ml=lock.volume_ml, g_per_ml=0.48)
    assert settled(WHITE, by_water) == settled(WHITE, lock)


@pytest.mark.parametrize(
    ("lock", "field"),
    [
        (Lock("round", diameter_cm=300, thickness_mm=3), "lock.diameter_cm"),
        (Lock("round", diameter_cm=30, thickness_mm=0), "lock.thickness_mm"),
        (Lock("round", diameter_cm=5, thickness_mm=1), "lock.thickness_mm"),
        (Lock("tin", tin_cm=(23, 0, 7)), "lock.tin_cm"),
        (Lock("tin", tin_cm=(60, 60, 60)), "lock.tin_ml"),
        (Lock("count", g=0), "lock.g"),
        (Lock("count", g=900_000), "pieces"),
    ],
)
def test_what_no_dough_makes_is_refused_by_name(lock: Lock, field: str) -> None:
    with pytest.raises(CraftError) as refused:
        settled(ROUND, lock)
    assert refused.value.field == field
