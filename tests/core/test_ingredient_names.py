"""What ingredients are called: codes of the catalogues and the baker's own names, and the keys of both."""

from dataclasses import replace

import pytest

from gentle_crust.core.fermentation.dough import flour_kinds
from gentle_crust.core.formula.flour import MyFlour
from gentle_crust.core.formula.label import allergen_of, called, cost, label
from gentle_crust.core.formula.model import Extra, FlourShare, Formula, Preferment, Soaker
from gentle_crust.core.formula.names import SALT, WATER, flour_name, key_of, own_name, yeast_name
from gentle_crust.core.formula.scaling import sum_by_name, totals, weigh
from gentle_crust.core.messages import named
from gentle_crust.text.pseudo import PSEUDO
from gentle_crust.text.reading import Reading
from gentle_crust.text.render import say

MILLED = MyFlour("m1", "Harbour mill 80", "strong_white", protein_percent=12)
BREAD = Formula(
    "Gull's loaf",
    (FlourShare("strong_white", 60, MILLED), FlourShare("whole_rye", 40)),
    74,
    2,
    "boule",
    preferments=(Preferment("old_dough", "m1", 10, 68, 0.4, 2), Preferment("levain", "whole_rye", 10, 100)),
    soakers=(Soaker("Night seeds", "scald", 5, extras=(Extra("Sesame", "seeds", 5),)),),
    extras=(Extra("Buttermilk", "milk", 5),),
    yeast_percent=0.2,
    held_back_percent=3,
)


def said(name):
    return say(name).sentence


@pytest.mark.parametrize("kind", flour_kinds())
def test_every_flour_has_a_name_and_its_key_gives_it_back(kind):
    name = flour_name(kind)
    assert said(name)[0].isupper()
    assert key_of(name) == f"flour-{kind}"
    assert called(key_of(name)) == name
    assert own_name(name) == ""


@pytest.mark.parametrize("kind", ["instant", "active_dry", "fresh", "osmotolerant"])
def test_every_yeast_has_a_name_and_its_key_gives_it_back(kind):
    assert called(key_of(yeast_name(kind))) == yeast_name(kind)
    assert "yeast" in said(yeast_name(kind)).lower()


def test_a_name_of_the_bakers_own_is_its_own_key():
    assert key_of(named("Harbour mill 80")) == "Harbour mill 80"
    assert called("Harbour mill 80") == named("Harbour mill 80")
    assert own_name(named("Sesame")) == "Sesame"


@pytest.mark.parametrize("name", ["yeast", "flour", "ingredient", "flour-80 of the mill", "yeast-free mix", "Salt"])
def test_a_name_that_looks_like_a_key_of_the_program_is_still_the_bakers(name):
    assert called(name) == named(name)
    assert said(called(name)) == name


def test_a_weigh_list_names_what_fermented_and_soaked_before():
    weighed = weigh(BREAD, 2, 800)
    assert [said(stage.title) for stage in weighed.stages] == ["Old dough", "Levain", "Night seeds", "Dough"]
    assert [said(line.name) for line in weighed.dough.lines] == [
        "Harbour mill 80",
        "Whole rye",
        "Water",
        "Old dough",
        "Levain, ripe",
        "Night seeds, scalded",
        "Salt",
        "Instant yeast",
        "Buttermilk",
        "Water held back",
    ]
    scald = weighed.stages[2]
    assert [said(line.name) for line in scald.lines] == ["Sesame", "Boiling water"]


def test_all_water_is_one_ingredient_whatever_it_is_called_where_it_is_weighed():
    weighed = weigh(BREAD, 2, 800)
    lines = [line for stage in weighed.stages for line in stage.lines]
    found = sum_by_name(lines)
    assert found[WATER] == pytest.approx(sum(line.g for line in lines if line.role == "water"))
    assert {said(name) for name in found} == {
        "Harbour mill 80", "Whole rye", "Water", "Salt", "Instant yeast", "Sesame", "Buttermilk",
    }  # fmt: skip
    assert sum(found.values()) == pytest.approx(weighed.dough_g)


def test_totals_count_the_pinch_in_a_preferment_apart():
    found = {said(total.name): total for total in totals(BREAD, 1000)}
    assert found["Instant yeast in preferments"].g == pytest.approx(0.4)
    assert found["Instant yeast"].g == pytest.approx(2.0)
    assert found["Salt"].percent == 2


def test_a_label_has_the_grain_of_a_flour_that_the_baker_named_and_the_allergens_of_own_names():
    found = label(BREAD, weigh(BREAD, 2, 800))
    allergens = {said(each.name): said(each.allergen) if each.allergen else "" for each in found.ingredients}
    assert allergens["Harbour mill 80"] == "gluten (wheat)"
    assert allergens["Whole rye"] == "gluten (rye)"
    assert allergens["Sesame"] == "sesame"
    assert allergens["Buttermilk"] == "milk"
    assert allergens["Salt"] == allergens["Water"] == ""
    text = said(found.text)
    assert text.startswith("Harbour mill 80 [gluten (wheat)], water".replace("H", "H", 1)) or text.startswith("Water")
    assert text.endswith("sourdough culture.")
    assert "whole rye [gluten (rye)]" in text


@pytest.mark.parametrize(
    ("name", "allergen"),
    [
        ("Chopped walnuts", "nuts"),
        ("Oat flakes", "gluten (oats)"),
        ("Malted barley", "gluten (barley)"),
        ("Eggs", "eggs"),
    ],
)
def test_an_own_name_tells_its_allergen(name, allergen):
    assert said(allergen_of(name)) == allergen


def test_prices_are_found_by_key_and_what_has_none_is_named():
    weighed = weigh(BREAD, 2, 800)
    grams = sum_by_name(line for stage in weighed.stages for line in stage.lines)
    prices = {"Harbour mill 80": 2.0, key_of(SALT): 1.0, "flour-whole_rye": 1.5}
    found = cost(weighed, 2, prices)
    expected = 2.0 * grams[named("Harbour mill 80")] + 1.0 * grams[SALT] + 1.5 * grams[flour_name("whole_rye")]
    assert found.batch == pytest.approx(expected / 1000)
    assert found.per_piece == pytest.approx(found.batch / 2)
    assert {said(name) for name in found.without} == {"Instant yeast", "Sesame", "Buttermilk"}
    assert cost(weighed, 2, {"flour-spelt": 3.0}) is None


def test_in_another_language_all_but_the_bakers_own_names_are_said_otherwise():
    other = Reading(language=PSEUDO)
    names = sum_by_name(line for stage in weigh(BREAD, 2, 800).stages for line in stage.lines)
    for name in names:
        own = own_name(name)
        assert (say(name, other).sentence == own) == bool(own), name


def test_two_preferments_of_a_kind_are_told_apart_when_formulas_are_compared():
    from gentle_crust.core.formula.compare import formula_lines

    twice = replace(
        BREAD,
        preferments=(Preferment("levain", "whole_rye", 8, 100), Preferment("levain", "m1", 8, 60)),
        yeast_percent=0.0,
    )
    names = [said(name) for name in formula_lines(twice)]
    assert names.count("Levain") == 1
    assert names.count("Levain 2") == 1
