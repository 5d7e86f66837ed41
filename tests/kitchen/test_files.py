"""Formulas out and in again, and files that are damaged or mean harm."""

import csv
import io
import json

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from gentle_crust.contract.tidy import clean
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.model import Extra, FlourShare, Formula, Preferment, Soaker
from gentle_crust.core.formula.scaling import weigh
from gentle_crust.interchange.files import bring_in, export
from gentle_crust.text.render import say

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
