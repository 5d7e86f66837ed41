"""Oddities of formulas, comparisons, capacity and targets, and the tables they stand on."""

from dataclasses import replace

import numpy as np
import pytest

from gentle_crust.core.checks import checks
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.fermentation import pace
from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.dough import Dough, FlourPart, YeastState, makeup
from gentle_crust.core.fermentation.targets import bulk_rise, proof_target, share_of_greatest
from gentle_crust.core.formula.compare import compare
from gentle_crust.core.formula.feel import feel
from gentle_crust.core.formula.measures import Habits, grams_per_ml, ingredients
from gentle_crust.core.formula.model import Extra, FlourShare, Formula, Preferment
from gentle_crust.core.formula.scaling import weigh
from gentle_crust.core.limits import Limit
from gentle_crust.core.tables import rows, toml
from gentle_crust.text.render import say

PLAIN = Formula("Plain", (FlourShare("strong_white", 100),), 68, 2, "boule", yeast_percent=0.5)
LEVAIN = Preferment("levain", "strong_white", 10, 100)


def codes(**changes):
    formula = replace(PLAIN, **changes)
    return {check.code for check in checks(formula, weigh(formula, formula.pieces, formula.scaling_weight_g))}


@pytest.mark.parametrize(
    ("changes", "code"),
    [
        ({"salt_percent": 0.8}, "salt_low"),
        ({"salt_percent": 4}, "salt_high"),
        ({"hydration_percent": 108}, "batter"),
        ({"hydration_percent": 50}, "very_stiff"),
        ({"preferments": (replace(LEVAIN, flour_percent=55),)}, "much_preferment"),
        ({"preferments": (Preferment("biga", "strong_white", 30, 80, 0.1),)}, "not_stiff"),
        ({"yeast_percent": 3}, "much_yeast"),
        ({"yeast_percent": 0.04}, "too_small"),
        ({"pieces": 1, "scaling_weight_g": 300}, "too_small"),
    ],
)
def test_oddities_are_said(changes, code):
    assert code in codes(**changes)


def test_a_plain_formula_at_scale_has_nothing_odd():
    assert codes(pieces=40) == set()


def test_checks_have_a_reason_and_a_remedy():
    odd = replace(PLAIN, salt_percent=4, hydration_percent=95, yeast_percent=0.03)
    for check in checks(odd, weigh(odd, 2, 850)):
        said = say(check.what)
        assert said.sentence.endswith(".") and said.remedy[-1] in ".?" and check.field


def test_comparison_marks_only_what_differs():
    after = replace(PLAIN, hydration_percent=72, extras=(Extra("Oil", "oil", 2),), preferments=(LEVAIN,))
    lines = {str(say(line.what)): line for line in compare(PLAIN, after)}
    assert {name for name, line in lines.items() if line.differs} == {"Water", "Oil", "Levain"}
    assert [str(say(text)) for text in (lines["Water"].before, lines["Water"].after)] == ["68 %", "72 %"]
    assert not lines["Oil"].before and not compare(after, PLAIN)[-1].after


@pytest.mark.parametrize(
    ("hydration", "word", "knead"),
    [(56, "stiff", True), (63, "firm", True), (66.9, "supple", True), (70, "supple", False), (78, "slack", False),
     (85, "very slack", False), (92, "batter-like", False)],
)  # fmt: skip
def test_feel_by_what_strong_flour_carries(hydration, word, knead):
    found = feel(replace(PLAIN, hydration_percent=hydration))
    assert (str(say(found.word)), found.knead) == (word, knead)


def test_wholemeal_carries_more_than_white():
    whole = replace(PLAIN, flours=(FlourShare("whole_wheat", 100),), hydration_percent=76)
    assert feel(whole).capacity_percent == 76 and str(say(feel(whole).word)) == "supple"


def made(flours, hydration=0.7, **more):
    return makeup(Dough(tuple(FlourPart(kind, g) for kind, g in flours), 1000 * hydration, 20, **more))


@pytest.mark.parametrize("state", ["bulk", "free_standing", "tin", "tray", "culture"])
def test_bran_rye_and_weakness_lower_what_a_dough_holds(state):
    white = greatest_rise(made([("strong_white", 1000)]), state)
    for weaker in ("whole_wheat", "plain_white", "spelt", "rye", "whole_rye"):
        assert greatest_rise(made([(weaker, 1000)]), state) < white


def test_capacity_is_within_what_bakers_see():
    white = made([("strong_white", 1000)])
    assert 2.2 <= greatest_rise(white, "bulk") <= 2.6
    assert 1.3 <= greatest_rise(white, "free_standing") <= 1.5
    assert 1.8 <= greatest_rise(white, "tin") <= 2.2
    assert greatest_rise(made([("strong_white", 1000)], 1.05), "bulk") < greatest_rise(white, "bulk")
    with pytest.raises(CraftError):
        greatest_rise(white, "balloon")


def test_pace_of_salt_sugar_and_grain():
    def pace(water_g=680, **more):
        return makeup(Dough((FlourPart("strong_white", 1000),), water_g, **{"salt_g": 20, **more})).pace

    def of(kind):
        return makeup(Dough((FlourPart(kind, 1000),), 680, 20)).pace

    assert pace() == pytest.approx(1)
    assert pace(salt_g=0) > 1.15 and pace(salt_g=30) < 1
    assert pace(sugar_g=30) == pytest.approx(1, abs=0.01) and pace(sugar_g=200) < 0.55
    assert pace(sugar_g=300) < 0.3 < pace(sugar_g=300, yeast=YeastState(osmotolerant=True))
    assert of("whole_wheat") == pytest.approx(1.25) and of("rye") == pytest.approx(1.22)


def test_a_stiff_dough_is_slow_and_water_helps_ever_less():
    paces = [pace.of_water(water) for water in np.arange(0.45, 1.21, 0.05)]
    steps = np.diff(paces)
    assert (steps > 0).all() and steps[0] > 5 * steps[-1]
    assert pace.of_water(0.68) == pytest.approx(1)


def test_a_plateau_has_less_air_over_it():
    """Atmosphere as tabled at 0, 1,500 and 2,500 m."""
    assert [round(pace.air_pressure(h), 2) for h in (0, 1500, 2500)] == [1.0, 0.83, 0.74]


def test_what_is_woken_is_awake_and_dry_yeast_sleeps_longer():
    def waking(**more):
        found = makeup(Dough((FlourPart("strong_white", 1000),), 680, 20, **more))
        return found.asleep, found.waking

    assert waking(instant_yeast_g=5) == (1, 1)
    assert waking(instant_yeast_g=5, yeast=YeastState(woken_min=10))[0] == 0
    assert waking(instant_yeast_g=5, yeast=YeastState(woken_min=5))[0] == pytest.approx(0.5)
    assert waking(active_dry_yeast_g=6)[1] == pytest.approx(1.8)
    assert 1 < waking(active_dry_yeast_g=3, instant_yeast_g=3)[1] < 1.8


@pytest.mark.parametrize(
    ("kind", "g", "as_instant"),
    [("active_dry_yeast_g", 4.0, 3.3), ("fresh_yeast_g", 10.0, 3.3), ("instant_yeast_g", 3.3, 3.3)],
)
def test_yeasts_are_counted_as_instant(kind, g, as_instant):
    assert made([("strong_white", 1000)], **{kind: g}).yeast_percent == pytest.approx(as_instant / 10)


def test_levain_counts_its_flour_and_water():
    """20 g levain per 100 g added flour at 100 %: 10 of 110 parts of flour are in it."""
    found = makeup(Dough((FlourPart("strong_white", 1000),), 725, 20, levain_g=200))
    assert found.levain_yeast == pytest.approx(100 / 1100)
    assert found.hydration == pytest.approx(825 / 1100)


def test_warm_bulk_stops_earlier_and_yeasted_doubles():
    stops = bulk_rise("levain", np.array([18.0, 21.0, 24.0, 27.0]))
    assert list(stops) == sorted(stops, reverse=True)
    assert stops[1] == 0.75 and 0.5 <= stops[2] <= 0.6 and 0.3 <= stops[3] <= 0.45
    assert np.all(bulk_rise("yeast", np.array([20.0, 28.0])) == 1)


@pytest.mark.parametrize("group", ["stone", "hot_pot", "cold_start", "tin", "tray"])
def test_cold_loaves_are_baked_younger(group):
    warm, cold = proof_target(group, False), proof_target(group, True)
    assert cold.aim < warm.aim and 0.7 <= cold.low < cold.high < 0.95


def test_unknown_vessels_have_no_target():
    with pytest.raises(CraftError):
        proof_target("cauldron", False)
    assert share_of_greatest(np.array([0.5]), 1.0)[0] == 0.75


@pytest.mark.parametrize("table", ["flours", "containers", "handling", "vessels", "shapes", "measures"])
def test_every_row_of_every_table_says_where_it_comes_from(table):
    for row in rows(table):
        words = row["provenance"].split("; ")
        assert words[0] in ("practice", "tuned", "literature", "estimated"), row


def test_every_constant_has_unit_and_provenance():
    for section in [*toml("fermentation").values(), *toml("oven").values()]:
        for name, entry in section.items():
            if name != "growth_source":
                assert entry["unit"] and any(
                    word in entry["provenance"] for word in ("practice", "tuned", "literature", "estimated")
                )


@pytest.mark.parametrize("item", ingredients(), ids=lambda item: item.name)
def test_densities_are_ranges_and_habits_stay_inside_reason(item):
    low, likely, high = (getattr(item.g_per_ml, part) for part in ("low", "likely", "high"))
    assert 0.2 < low <= likely <= high < 1.6
    for habits in (Habits(flour="spooned"), Habits(flour="scooped"), Habits(salt="table"), Habits(salt="flaky")):
        narrowed = grams_per_ml(item, habits)
        assert 0.9 * low <= narrowed.likely <= 1.1 * high


@pytest.mark.parametrize(
    ("name", "g"),
    [
        ("table salt", 6.0),
        ("fine sea salt", 5.5),
        ("instant yeast", 3.1),
        ("sugar", 4.2),
        ("honey", 7),
        ("oil", 4.5),
        ("malt", 3),
    ],
)
def test_teaspoons_weigh_what_bakers_find(name, g):
    item = next(item for item in ingredients() if item.name == name)
    assert item.g_per_ml.likely * 4.93 == pytest.approx(g, rel=0.01)


def test_limits_name_field_limits_and_remedy():
    with pytest.raises(CraftError) as refused:
        within("salt_percent", Limit("salt", 0, 5, "percent"), 7)
    assert refused.value.field == "salt_percent"
    assert "0 and 5 %" in say(refused.value.what).sentence and "from 0 to 5 %" in say(refused.value.what).remedy
    with pytest.raises(CraftError):
        within("x", Limit("salt", 0, 1), float("nan"))


@pytest.mark.parametrize(
    ("c", "flour", "leaven", "code"),
    [
        (25, "strong_white", "yeast", None),
        (21, "strong_white", "yeast", None),
        (19, "strong_white", "yeast", "dough_cool"),
        (30, "strong_white", "yeast", "dough_warm"),
        (43, "strong_white", "yeast", "dough_warm"),
        (33, "strong_white", "levain", "dough_hot_levain"),
        (29, "strong_white", "levain", "dough_warm"),
        (28, "whole_rye", "levain", None),
        (24, "whole_rye", "levain", "dough_cool"),
        (31, "whole_rye", "yeast", "dough_warm"),
    ],
)
def test_a_dough_out_of_its_comfortable_warmth_is_said_with_what_to_change(c, flour, leaven, code):
    preferments = (replace(LEVAIN, flour_kind=flour),) if leaven == "levain" else ()
    formula = replace(
        PLAIN, dough_c=c, flours=(FlourShare(flour, 100),), preferments=preferments,
        yeast_percent=0 if leaven == "levain" else 0.6, hydration_percent=72,
    )  # fmt: skip
    found = [each for each in checks(formula, weigh(formula, 2, 800)) if each.code.startswith("dough_")]
    assert [each.code for each in found] == ([code] if code else [])
    for each in found:
        said = say(each.what)
        assert said.remedy and each.field == "dough_c" and "water" in said.remedy


def test_a_strong_flour_with_as_much_water_is_a_very_wet_dough_and_a_weak_one_a_batter():
    def codes(kind):
        formula = replace(PLAIN, hydration_percent=100, flours=(FlourShare(kind, 100),))
        return {each.code for each in checks(formula, weigh(formula, 2, 800))}

    assert "very_wet" in codes("strong_white") and "batter" not in codes("strong_white")
    assert "batter" in codes("plain_white")
