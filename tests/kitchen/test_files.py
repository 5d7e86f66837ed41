"""Formulas out and in again, and files that are damaged or mean harm."""

import csv
import io
import json
import re
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from gentle_crust.contract.tidy import clean
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.model import Extra, FlourShare, Formula, Preferment, Soaker
from gentle_crust.core.formula.scaling import weigh
from gentle_crust.interchange.files import amount, bring_in, export, share
from gentle_crust.kitchen.formulas import FormulaBook
from gentle_crust.kitchen.methods import made_so
from gentle_crust.kitchen.work import Work
from gentle_crust.text.render import say
from tests.conftest import SATURDAY

LOAF = Formula(
    "Söder loaf, =1+1",
    (FlourShare("strong_white", 80), FlourShare("rye", 20)),
    74.5,
    2.1,
    "batard",
    (Extra("=cmd()", "seeds", 4), Extra("Honey", "honey", 1.5)),
    (Preferment("levain", "strong_white", 12, 80), Preferment("old_dough", "rye", 5, 70, 0.3, 2)),
    1.1,
    yeast_kind="fresh",
    soakers=(Soaker("Öats", "scald", 9, (FlourShare("rye", 3),), (Extra("Oats", "seeds", 4),), bound=False),),
    held_back_percent=3,
    feel_to_percent=78,
    salt_late=True,
    note="Ein Brot, 1,5 Tage",
)


def written(formula, form):
    return export(formula, weigh(formula, formula.pieces, formula.scaling_weight_g), form)


@settings(max_examples=60, deadline=None)
@given(
    hydration=st.floats(55, 100),
    salt=st.floats(0.2, 5),
    share=st.floats(1, 40),
    name=st.text(min_size=1, max_size=80).filter(lambda name: name.strip() and clean(name) == name),
    yeast=st.floats(0, 2),
)
@pytest.mark.parametrize("form", ["json", "recipe"])
def test_round_trips_lose_nothing(form, hydration, salt, share, name, yeast):
    formula = Formula(
        name, LOAF.flours, hydration, salt, "boule", LOAF.extras,
        (Preferment("poolish", "strong_white", share, 100, 0.1), LOAF.preferments[1]), yeast, soakers=LOAF.soakers,
    )  # fmt: skip
    assert bring_in(written(formula, form).encode()) == formula


def test_weigh_list_is_safe_in_a_spreadsheet_and_adds_up():
    rows = list(csv.DictReader(io.StringIO(written(LOAF, "csv"))))
    assert not any(row["ingredient"].startswith(("=", "+", "-", "@")) for row in rows)
    dough = sum(float(row["grams"]) for row in rows if row["stage"] == "dough")
    assert dough == pytest.approx(float(rows[-1]["grams"]), abs=0.1)


def test_a_file_of_the_first_form_is_still_read():
    older = json.loads(written(LOAF, "json"))
    older = {key: older[key] for key in ("name", "flours", "hydration_percent", "salt_percent", "shape", "note")}
    older |= {"preferment": {"kind": "levain", "flour_kind": "rye", "flour_percent": 9, "hydration_percent": 100}}
    found = bring_in(json.dumps({**older, "instant_yeast_percent": 0.2}).encode())
    assert (found.preferments[0].flour_percent, found.yeast_percent, found.yeast_kind) == (9, 0.2, "instant")


def test_a_recipe_from_elsewhere_is_read_by_its_ingredients():
    lines = ["500 g bread flour", "10 g salt", "350 g water", "5 g instant yeast"]
    recipe = {"@type": ["Recipe"], "name": "Plain", "recipeIngredient": lines}
    document = {"@context": "https://schema.org", "@graph": [{"@type": "WebPage"}, recipe]}
    formula = bring_in(json.dumps(document).encode("utf-16"))
    assert formula.name == "Plain" and formula.hydration_percent == 70


def test_plain_text_is_read_line_by_line():
    assert bring_in(b"500 g rye flour\n400 g water\n9 g salt\n3 g yeast\n").salt_percent == 1.8


@pytest.mark.parametrize(
    "data",
    [
        b"",
        b"\x00\x01\x02",
        b"\xff\xfe\x00",
        b"\x80abc",
        b"{",
        b"[]",
        b'{"name": 3}',
        b'{"@type": "Recipe"}',
        b'{"@type": "Recipe", "recipeIngredient": [1, 2]}',
        b'{"@type": {"a": 1}, "@graph": 5}',
        b'{"@type": "Recipe", "additionalProperty": {"propertyID": "gentle-crust-formula", "value": "{"}}',
        b"[" * 100_000,
        b'{"a":' * 50_000,
        b" " * 600_000,
        json.dumps({**json.loads(written(LOAF, "json")), "evil": 1}).encode(),
        json.dumps({**json.loads(written(LOAF, "json")), "hydration_percent": 1e308}).encode(),
        json.dumps({**json.loads(written(LOAF, "json")), "flours": "all"}).encode(),
    ],
)
def test_damaged_and_hostile_files_are_refused_in_words(data):
    with pytest.raises(CraftError) as refused:
        bring_in(data)
    assert say(refused.value.what).sentence and say(refused.value.what).remedy


KEYS = st.sampled_from(["@type", "@graph", "name", "recipeIngredient", "flours", "additionalProperty"])
TREES = st.recursive(
    st.none() | st.integers() | st.text(max_size=9),
    lambda inner: st.lists(inner, max_size=4) | st.dictionaries(KEYS, inner, max_size=4),
)


@settings(max_examples=200, deadline=None)
@given(st.binary(max_size=300) | TREES.map(lambda tree: json.dumps(tree).encode()))
def test_any_bytes_end_in_a_formula_or_a_refusal(data):
    try:
        assert isinstance(bring_in(data), Formula)
    except CraftError as refused:
        assert say(refused.what).sentence


def recipe(formula=LOAF, made=None):
    return json.loads(export(formula, weigh(formula, formula.pieces, formula.scaling_weight_g), "recipe", made))


def test_ingredients_stand_as_a_cook_expects_them_and_the_culture_is_one_of_them():
    lines = recipe()["recipeIngredient"]
    names = [re.sub(r"^[\d.]+ g ", "", line) for line in lines]
    assert names[:2] == ["Strong white", "Fine rye"] and names.index("Water") == 2
    assert names[3].startswith("a little ripe sourdough culture")
    assert names.index("Salt") < names.index("=cmd()") and names.index("Fresh yeast") < names.index("Salt")
    yeasted = recipe(replace(LOAF, preferments=(Preferment("poolish", "strong_white", 20, 100, 0.1),)))
    assert not any("culture" in line for line in yeasted["recipeIngredient"])


@pytest.mark.parametrize(
    ("grams", "written_so"),
    [(1234.4, "1234"), (99.96, "100.0"), (35.46, "35.5"), (1.749, "1.75"), (0.124, "0.12"), (0.0481, "0.048")],
)
def test_grams_have_the_digits_of_the_scale_that_weighs_them(grams, written_so):
    assert amount(grams) == written_so


@pytest.mark.parametrize(("percent", "written_so"), [(66.04, "66.0"), (1.0, "1.0"), (0.12, "0.12"), (0.0123, "0.012")])
def test_small_shares_keep_their_digits(percent, written_so):
    assert share(percent) == written_so


def test_a_tenth_of_a_percent_of_yeast_is_in_every_file():
    little = replace(LOAF, preferments=(Preferment("poolish", "strong_white", 20, 100, 0.05),), yeast_percent=0.04)
    rows = [row for row in csv.DictReader(io.StringIO(written(little, "csv"))) if "yeast" in row["ingredient"]]
    assert rows and all(float(row["grams"]) > 0 and float(row["percent_of_all_flour"]) > 0 for row in rows)
    assert "0.04 % of all flour" in written(little, "text") and "0.01 % of all flour" in written(little, "text")


@pytest.fixture
def country(sessions):
    """The demo's everyday loaf, and how it is made in the demo's kitchen."""
    work = Work(sessions, lambda: SATURDAY)
    formula = FormulaBook(work).get("tidewater-country", "id").formula
    return formula, made_so(work, formula)


def test_how_it_is_made_is_told_with_its_times(country):
    formula, made = country
    document = recipe(formula, made)
    steps = document["recipeInstructions"]
    assert [each["@type"] for each in steps] == ["HowToStep"] * len(made.steps)
    names = [each["name"] for each in steps]
    assert names.index("Mix") < names.index("Divide") < names.index("Load") < names.index("Out")
    assert all(each["text"] and "{" not in each["text"] for each in steps)
    minutes = {name: in_minutes(document[name]) for name in ("prepTime", "cookTime", "totalTime", "performTime")}
    assert minutes["prepTime"] + minutes["cookTime"] == pytest.approx(minutes["totalTime"], abs=1)
    assert minutes["performTime"] < minutes["prepTime"] and 15 <= minutes["cookTime"] <= 120
    assert document["keywords"] == "round loaf, sourdough" and document["tool"] == [made.vessel]
    assert made.steps[0].after_min == 0 and [each.after_min for each in made.steps] == sorted(
        each.after_min for each in made.steps
    )


def test_the_text_tells_the_method_and_its_amounts_are_read_again_as_without(country):
    formula, made = country
    weighed = weigh(formula, formula.pieces, formula.scaling_weight_g)
    told = export(formula, weighed, "text", made)
    assert "0 min - " in told and " - Mix: " in told and " - Out: " in told
    assert bring_in(told.encode()) == bring_in(export(formula, weighed, "text").encode())


def in_minutes(duration):
    hours, minutes = re.fullmatch(r"PT(\d+)H(\d+)M", duration).groups()
    return 60 * int(hours) + int(minutes)
