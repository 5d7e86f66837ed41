"""Written recipes: read as a baker means them, honest about cups and spoons, never broken by what is pasted."""

import tomllib
from pathlib import Path

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.dough import makeup_of
from gentle_crust.core.formula.label import label
from gentle_crust.core.formula.measures import Habits
from gentle_crust.core.formula.names import own_name
from gentle_crust.core.formula.scaling import weigh
from gentle_crust.interchange.recipe.compose import formula_of
from gentle_crust.interchange.recipe.stated_sum import stated_g
from gentle_crust.interchange.recipe.weigh import read_line, read_recipe
from gentle_crust.text.render import say

RECIPES = tomllib.loads((Path(__file__).parents[1] / "data" / "recipes.toml").read_text(encoding="utf-8"))["recipe"]


@pytest.mark.parametrize("recipe", RECIPES, ids=lambda recipe: recipe["lines"][0][:30])
def test_written_recipes_are_read(recipe):
    wanted = iter(recipe["want"])
    for line in recipe["lines"]:
        if not line:
            continue
        want, found = next(wanted), read_line(line, Habits())
        if want == "-":
            assert found is None, line
        else:
            assert found is not None, line
            assert found.g.likely == pytest.approx(want, rel=0.02), line
            assert found.g.low <= found.g.likely <= found.g.high


def test_cups_give_a_range_and_the_salt_is_questioned():
    reading = read_recipe(("3 1/2 cups bread flour", "1 tbsp table salt", "300 ml water", "knead well"))
    assert reading.percent["hydration"].high - reading.percent["hydration"].low > 15
    assert reading.percent["salt"].likely == pytest.approx(4.1, abs=0.1)
    assert {warning.code for warning in reading.warnings} == {"cups", "salt_high"}
    assert reading.unread == ("knead well",)


def test_habits_narrow_the_range():
    line = "4 cups bread flour"
    loose, spooned, metric = (
        read_line(line, habits).g for habits in (Habits(), Habits(flour="spooned"), Habits(cup_ml=250, flour="spooned"))
    )
    assert (spooned.high - spooned.low) < 0.4 * (loose.high - loose.low)
    assert spooned.likely == pytest.approx(4 * 122, abs=1)
    assert metric.likely / spooned.likely == pytest.approx(250 / 236.6)
    assert (
        read_line("1 tsp salt", Habits(salt="flaky")).g.likely < read_line("1 tsp salt", Habits(salt="table")).g.likely
    )


def test_ounces_of_a_liquid_are_asked_about():
    lines = ("1 lb bread flour", "11 oz water", "9 g salt")
    assert "ounces" in {warning.code for warning in read_recipe(lines).warnings}
    volume = read_recipe(lines, Habits(liquid_ounces="volume"))
    assert "ounces" not in {warning.code for warning in volume.warnings}
    assert volume.items[1].g.likely == pytest.approx(325, abs=1)


def test_a_formula_comes_of_it_with_the_levain_counted():
    reading = read_recipe(("400 g strong flour", "100 g sourdough starter", "250 g water", "9 g salt", "20 g honey"))
    formula = formula_of(reading, "Pasted")
    assert formula.preferments[0].flour_percent == pytest.approx(100 * 50 / 450, abs=0.01)
    assert formula.hydration_percent == pytest.approx(100 * (250 + 50 + 3.4) / 450, abs=0.1)
    assert sum(share.percent for share in formula.flours) == pytest.approx(100)


@pytest.mark.parametrize(
    "lines",
    [
        ("10 g salt",),
        ("500 g bread flour", "100 g water", "5 g yeast"),
        ("1 cup flour",),
        ("0 to 1 cup flour", "1 cup water"),
        ("100 g starter", "50 g water"),
    ],
)
def test_what_makes_no_bread_is_refused_in_words(lines):
    with pytest.raises(CraftError) as refused:
        formula_of(read_recipe(lines), "")
    assert say(refused.value.what).sentence and say(refused.value.what).remedy


PIECES = st.sampled_from(
    ["1", "1/0", "½", "cups", "oz", "heaped", "flour", "salt", "(", ")", "-", "to", "plus", "°F", "1e9", "٣", "\x00"]
)


@settings(max_examples=400, deadline=None)
@given(st.one_of(st.text(max_size=200), st.lists(PIECES, max_size=14).map(" ".join)))
def test_nothing_that_is_pasted_breaks_the_reading(line):
    reading = read_recipe((line[:200],))
    assert len(reading.items) + len(reading.unread) <= 1
    for item in reading.items:
        assert 0 <= item.g.low <= item.g.likely <= item.g.high


def test_too_much_is_refused():
    with pytest.raises(CraftError):
        read_recipe(("1 cup flour",) * 81)
    with pytest.raises(CraftError) as refused:
        read_recipe(("ok", "x" * 201))
    assert refused.value.field == "lines.1"


@pytest.mark.parametrize(
    ("line", "grams"),
    [
        ("Total 850 g", 850),
        ("makes 2 loaves of 800 g", 1600),
        ("Yield: 3 x 1.5 kg", 4500),
        ("dough weight: 2 lb", 907.18474),
        ("10 g salt", None),
        ("makes a mess", None),
    ],
)
def test_what_a_recipe_says_its_dough_weighs(line, grams):
    assert stated_g(line) == (None if grams is None else pytest.approx(grams))


def test_lines_that_do_not_add_up_to_it_are_said():
    lines = ("500 g bread flour", "350 g water", "10 g salt", "4 g instant yeast")
    right = read_recipe((*lines, "makes 864 g"))
    wrong = read_recipe((*lines, "Total: 1.2 kg"))
    assert not right.warnings and not right.unread
    assert [warning.code for warning in wrong.warnings] == ["sum"] and "864 g, less" in str(say(wrong.warnings[0].text))


IN_WORDS = {
    "half a cup of water": 118.3,
    "1 and 1/2 cups water": 354.9,
    "1-1/2 cups water": 354.9,
    "a cup and a half of water": 354.9,
    "one and a half cups of water": 354.9,
    "three quarters of a teaspoon of instant yeast": 2.33,
    "two thirds of a cup of milk": 162.5,
    "three-quarters cup sugar": 151.2,
    "half a pound of flour": 226.8,
    "2 pounds and a half of flour": 1134,
    "2 and three quarters cups of water": 650.6,
    "an eighth of a teaspoon instant yeast": 0.39,
    "half a sachet of yeast": 3.5,
    "1/4 of an 8 g packet of yeast": 2,
    "half an 8 g packet of yeast": 4,
    "2 (7 g) packets yeast": 14,
    "2 x 7g sachets fast action yeast": 14,
    "2 packets (7 g each) yeast": 14,
    "1/2 of a cup of water": 118.3,
    "two tablespoons of olive oil": 27,
}


@pytest.mark.parametrize("line", sorted(IN_WORDS))
def test_fractions_in_words_are_read_right(line):
    assert read_line(line, Habits()).g.likely == pytest.approx(IN_WORDS[line], rel=0.01)


@pytest.mark.parametrize(
    "line",
    ["half to three quarters of a cup water", "half the water, 300 ml", "a third of the flour 200 g",
     "second half of the water 200 g", "one cup, less a quarter, of water"],
)  # fmt: skip
def test_a_fraction_that_cannot_be_made_out_is_asked_about(line):
    reading = read_recipe((line, "500 g flour"))
    assert reading.unread == (line,) and len(reading.items) == 1


WORDS = ("half", "third", "quarter", "eighth")
VALUE = {"half": 1 / 2, "third": 1 / 3, "quarter": 1 / 4, "eighth": 1 / 8}


@given(
    st.sampled_from(WORDS), st.integers(0, 5), st.sampled_from(["cup", "teaspoon", "tablespoon", "pound", "pint"]),
    st.sampled_from(["{n} and a {f} {u}s of water", "{n} {u}s and a {f} of water", "a {f} of a {u} of water",
                     "a {f} {u} water", "one {f} of a {u} water", "three {f}s of a {u} of water", "one-{f} {u} water"]),
)  # fmt: skip
@settings(max_examples=120, deadline=None, derandomize=True)
def test_words_and_figures_say_the_same(part, whole, unit, pattern):
    text = pattern.format(n=whole or 1, f=part, u=unit)
    value = VALUE[part] * (3 if "three" in pattern else 1) + ((whole or 1) if "{n}" in pattern else 0)
    one = read_line(f"1 {unit} of water", Habits()).g.likely
    assert read_line(text, Habits()).g.likely == pytest.approx(one * value, rel=0.001), text


@pytest.mark.parametrize(
    ("line", "g"),
    [
        ("2 cups flour (9 oz)", 255), ("3 cups (1 lb 2 oz) bread flour", 510), ("2 cups (9 oz / 255 g) flour", 255),
        ("3 cups (360 g) plus 2 tbsp (16 g) flour", 376), ("1 lb (450 g) flour", 450), ("350g/12oz flour", 350),
    ],
)  # fmt: skip
def test_a_weight_in_brackets_wins(line, g):
    found = read_line(line, Habits())
    assert found.g.likely == pytest.approx(g, abs=1) and found.g.low == found.g.high


@pytest.mark.parametrize(
    ("line", "kind"),
    [
        ("500 g rice flour", "rice"), ("2 cups quinoa flour", "gluten_free"), ("100 g amaranth flour", "gluten_free"),
        ("200 g buckwheat flour", "gluten_free"), ("450 g gluten-free white bread flour", "gluten_free"),
        ("100 g gram flour", "gluten_free"), ("100 g oat flour", "other"), ("500 g bread flour", "strong_white"),
        ("500 g type 550 flour", "plain_white"), ("2 cups all-purpose flour", "plain_white"),
    ],
)  # fmt: skip
def test_flours_are_themselves(line, kind):
    assert read_line(line, Habits()).kind == kind


def test_flour_of_a_grain_that_is_not_known_is_asked_about_and_never_taken_for_wheat():
    assert read_recipe(("100 g lupin flour", "400 g bread flour")).unread == ("100 g lupin flour",)


def test_a_gluten_free_flour_keeps_its_name_and_tells_of_no_wheat():
    reading = read_recipe(("500 g quinoa flour", "350 g water", "10 g salt", "5 g instant yeast"))
    formula = formula_of(reading, "Quinoa")
    assert own_name(formula.flours[0].name) == "Quinoa flour" and formula.flours[0].kind == "gluten_free"
    named = label(formula, weigh(formula, 1, 800))
    assert not any("gluten" in allergen for allergen in named.allergens)
    wheat = formula_of(read_recipe(("500 g flour", "350 g water", "10 g salt", "5 g instant yeast")), "Wheat")
    rises = [greatest_rise(makeup_of(each), "tin") for each in (formula, wheat)]
    assert rises[0] < 0.5 * rises[1]


@pytest.mark.parametrize(
    ("line", "kind"),
    [
        ("7 g instant dry yeast", "instant"), ("7 g dry instant yeast", "instant"), ("20 g fresh yeast", "fresh"),
        ("7 g dry active yeast", "active_dry"), ("7 g active dry yeast", "active_dry"), ("20 g yeast, fresh", "fresh"),
        ("7 g yeast, active and dried", "active_dry"), ("7 g fast-action dried yeast", "instant"),
        ("7 g dried yeast", "active_dry"),
    ],
)  # fmt: skip
def test_yeasts_keep_their_name_in_any_order(line, kind):
    formula = formula_of(read_recipe(("1000 g bread flour", "650 g water", "20 g salt", line)), "Bread")
    assert formula.yeast_kind == kind
    assert formula.yeast_percent == pytest.approx(float(line.split()[0]) / 10, abs=0.01)


def test_what_raises_nothing_is_no_yeast():
    assert read_recipe(("500 g flour", "2 tbsp nutritional yeast")).unread == ("2 tbsp nutritional yeast",)
