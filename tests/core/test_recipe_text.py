"""Written recipes: read as a baker means them, honest about cups and spoons, never broken by what is pasted."""

import tomllib
from pathlib import Path

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.measures import Habits
from gentle_crust.interchange.recipe_text import formula_of, read_line, read_recipe
from gentle_crust.interchange.stated_sum import stated_g

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
    assert refused.value.sentence and refused.value.remedy


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
    assert [warning.code for warning in wrong.warnings] == ["sum"] and "864 g, less" in wrong.warnings[0].text
