"""What eggs, dairy, beer and the like bring to a dough: water, fat, sugar, salt, alcohol, heat."""

from dataclasses import replace

import pytest

from gentle_crust.core.fermentation.dough import makeup_of
from gentle_crust.core.fermentation.pace import NO_MORE_AT, of_alcohol
from gentle_crust.core.formula.model import Extra, FlourShare, Formula, brought_by, check, share_in
from gentle_crust.core.formula.scaling import weigh
from gentle_crust.core.tables import rows
from gentle_crust.core.water.mixing import Work
from gentle_crust.core.water.plan import mix_of_formula, plan_water
from gentle_crust.core.water.taps import Taps

LEAN = Formula("Lean", (FlourShare("strong_white", 100),), 64, 2, "boule", yeast_percent=0.8)


def with_extra(kind, percent, hydration=None):
    extra = Extra(kind.capitalize(), kind, percent)
    wet = LEAN.hydration_percent if hydration is None else hydration
    return replace(LEAN, extras=(extra,), hydration_percent=wet)


def test_every_kind_is_made_of_no_more_than_itself():
    for row in rows("extras"):
        parts = [float(row[name]) for name in ("water", "fat", "sugar", "salt", "alcohol")]
        assert all(0 <= part <= 1 for part in parts)
        assert sum(parts) <= 1.2 if row["kind"] == "honey" else sum(parts) <= 1


@pytest.mark.parametrize(
    ("kind", "what", "share"),
    [
        ("egg", "water", 0.75), ("egg", "fat", 0.10), ("milk", "water", 0.88), ("butter", "fat", 0.82),
        ("cheese", "salt", 0.018), ("beer", "alcohol", 0.04), ("wine", "alcohol", 0.11), ("juice", "sugar", 0.10),
        ("fruit", "water", 0), ("nuts", "fat", 0), ("other", "water", 0),
    ],
)  # fmt: skip
def test_what_each_kind_holds(kind, what, share):
    assert share_in(kind, what) == pytest.approx(share)
    assert brought_by((Extra("x", kind, 50),), what) == pytest.approx(50 * share)


def test_water_of_extras_is_not_poured():
    eggs = with_extra("egg", 40)
    poured = weigh(eggs, 1, 900).dough.lines
    water = next(line for line in poured if line.role == "water")
    assert water.percent == pytest.approx(64 - 30, abs=0.01)


def test_alcohol_slows_yeast_down_and_never_backs_it():
    paces = [of_alcohol(percent, 0.65) for percent in (0, 1, 2, 4, 6, 12, 40)]
    assert paces[0] == 1 and paces == sorted(paces, reverse=True) and paces[-1] == 0.05
    assert of_alcohol(NO_MORE_AT * 65 / (1 - NO_MORE_AT) / 2, 0.65) == pytest.approx(0.5, abs=0.04)
    assert makeup_of(with_extra("beer", 60)).pace < makeup_of(LEAN).pace


def test_fat_and_salt_of_extras_reach_the_dough():
    found = makeup_of(with_extra("cheese", 30))
    assert found.fat_percent == pytest.approx(8.4) and found.salt_percent == pytest.approx(2.54)
    assert makeup_of(with_extra("fruit", 30)).pace == pytest.approx(makeup_of(LEAN).pace)


def mixed(formula):
    return mix_of_formula(formula, weigh(formula, 1, 900), 20, 20, 20, Work("hand_kneading"))


def test_milk_is_warmed_in_place_of_water_where_there_is_none():
    milk = with_extra("milk", 72, hydration=72 * 0.88)
    check(milk)
    answer = plan_water(mixed(milk), 26.0, Taps(14.0, None, 0.0, 0.0))
    assert 26 < answer.water_c < 42 and answer.dough_c == 26
    assert answer.tap_g == answer.kettle_g == answer.ice_g == 0
    water = plan_water(mixed(replace(LEAN, hydration_percent=63.36)), 26.0, Taps(14.0, None, 0.0, 0.0))
    assert answer.water_c == pytest.approx(water.water_c, abs=4) and water.tap_g > 0
