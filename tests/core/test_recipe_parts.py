"""The parts of reading a recipe: numbers in words, headings and lines, clauses, and what a sentence's words do."""

import pytest

from gentle_crust.core.formula.measures import Habits
from gentle_crust.interchange.recipe.clauses import clauses, explains_unit, own_units, readable
from gentle_crust.interchange.recipe.figures import UNIT_WORDS, figures, plain
from gentle_crust.interchange.recipe.gather import gather
from gentle_crust.interchange.recipe.ingredients import ingredient_of, named_in
from gentle_crust.interchange.recipe.layout import all_of, cut, is_item_line, stage_named
from gentle_crust.interchange.recipe.lines import line_of, mentions
from gentle_crust.interchange.recipe.method.left_over import left_over
from gentle_crust.interchange.recipe.method.reader import CourseReader
from gentle_crust.interchange.recipe.numbers_in_words import in_figures
from gentle_crust.interchange.recipe.sources import text_of
from gentle_crust.interchange.recipe.stated import starter_hydration, yields
from tests.recipes.told import told


@pytest.mark.parametrize(
    ("text", "wanted"),
    [
        ("twenty-five minutes", "25 minutes"), ("four hundred and fifty degrees", "450 degrees"),
        ("a dozen rolls", "12 rolls"), ("two and a half cups", "2.5000 cups"), ("a cup and a half", "1.5000 cup"),
        ("three quarters of an hour", "0.7500 hour"), ("half a cup", "0.5000 cup"), ("one by one", "1 by 1"),
        ("a thousand grams", "1000 grams"), ("nothing counted", "nothing counted"),
    ],
)  # fmt: skip
def test_numbers_in_words_become_figures(text, wanted):
    assert in_figures(text, rf"{UNIT_WORDS}|minutes|hours?|degrees") == wanted


def test_a_fraction_that_is_left_over_is_an_error_unless_it_is_allowed():
    with pytest.raises(ValueError, match="fraction"):
        in_figures("grown by half", UNIT_WORDS)
    assert in_figures("grown by half", UNIT_WORDS, left_over=True) == "grown by half"


@pytest.mark.parametrize(
    ("heading", "stage"),
    [
        ("Levain", "levain"), ("For the poolish:", "poolish"), ("Final dough", "final"), ("STAGE 2: Dough", "final"),
        ("Poolish (the night before):", "poolish"), ("First stage", "first"), ("Cooked flour", "scald"),
        ("Old dough", "old_dough"), ("Glaze", "aside"), ("Method", "method"), ("Day 2", "neutral"),
        ("Rye sour", "levain"), ("Soaker (cold, overnight)", "soaker"), ("500 g flour", None), ("Mix well", None),
    ],
)  # fmt: skip
def test_headings_name_their_stage(heading, stage):
    assert stage_named(heading.rstrip(":")) == stage


@pytest.mark.parametrize(
    ("line", "is_one"),
    [
        ("500 g bread flour", True), ("a pinch of salt", True), ("2 eggs", True), ("salt to taste", True),
        ("Bread flour 100%", True), ("oil for the tray", True), ("water until it feels soft", True),
        ("Mix flour and water", False), ("Bake 30 minutes at 220 C", False), ("4 sets of folds", False),
        ("Take 500 g flour and mix", False), ("Rest 20 minutes", False), ("A loaf for Sundays", False),
    ],
)  # fmt: skip
def test_lines_of_ingredients_are_told_from_sentences(line, is_one):
    assert is_item_line(line) is is_one


@pytest.mark.parametrize("line", ["all of the levain", "the levain", "plus all of the levain (from above)"])
def test_a_stage_that_goes_in_whole(line):
    assert all_of(line, ["levain", "final"]) == "levain"
    assert all_of(line, ["final"]) is None


def test_a_recipe_is_cut_into_title_lists_and_sentences():
    layout = cut(
        "Quay loaf\nFor two friends.\n\nLevain\n20 g starter\n\nDough\n500 g flour\n\n1. Mix. Rest 20 minutes."
    )
    assert layout.title == "Quay loaf" and layout.order == ["levain", "final"]
    assert [(each.kind, each.stage) for each in layout.blocks] == [
        ("note", "final"), ("item", "levain"), ("item", "final"), ("sentence", "final"), ("sentence", "final"),
    ]  # fmt: skip


@pytest.mark.parametrize(
    ("text", "pieces", "each"),
    [
        ("Makes 2 loaves of 850 g", 2, 850), ("Rolls (12)", 12, None), ("Thin rounds, 4 x 250 g", 4, 250),
        ("Makes three 9-inch rounds", 3, None), ("Yield: 16 rolls", 16, None), ("Dough weight 900 g", None, 900),
        ("A quiet loaf", None, None),
    ],
)  # fmt: skip
def test_what_a_recipe_makes(text, pieces, each):
    assert yields(cut(f"{text}\n500 g flour")) == (pieces, each)


@pytest.mark.parametrize(
    ("text", "water"),
    [("100 g levain (100 % hydration)", 1), ("50 g stiff starter (60% hydration)", 0.6), ("100 g levain", 1)],
)
def test_the_starters_own_water(text, water):
    assert starter_hydration(text) == pytest.approx(water)


@pytest.mark.parametrize(
    ("text", "kinds"),
    [
        ("flours and water", ["plain_white", "water"]), ("a buttered tin", []), ("an oiled bowl of hot water", []),
        ("salted water", ["water"]), ("rye starter", ["levain"]), ("2 egg yolks", ["egg"]),
        ("nutritional yeast", []), ("cider vinegar", ["vinegar"]), ("potato water", ["water"]),
        ("malted wheat flakes", ["seeds"]), ("lupin flour", []),
    ],
)  # fmt: skip
def test_words_name_ingredients(text, kinds):
    assert [item.kind for _, item in named_in(text)] == kinds


def test_what_a_thing_is_for_is_not_what_it_is():
    assert ingredient_of("50 g water for the salt")[1].kind == "water"
    assert ingredient_of("25 g salt per litre of water")[1].kind == "salt"
    assert ingredient_of("oil for the bread tin")[1].kind == "oil"


@pytest.mark.parametrize(
    ("line", "grams"),
    [
        ("700 g water, plus 50 g for the salt", [750]), ("100 g flour, 90 g water, a pinch of yeast", [100, 90, 0.35]),
        ("1 cup plus 2 tbsp (270 g) water", [270]), ("500 g (4 cups) plain flour", [500]), ("3 x 250 g flour", [750]),
        ("2 large eggs", [100]), ("40 g butter and 20 g sugar", [40, 20]), ("300-340 g water", [320]),
    ],
)  # fmt: skip
def test_amounts_of_a_line(line, grams):
    found = [each.g.likely for each in mentions(line_of(line), Habits()) if each.g is not None]
    assert found == pytest.approx(grams, rel=0.02)


def test_a_unit_of_ones_own_is_explained_once():
    assert explains_unit("One bell is thirty minutes.") and not explains_unit("Rest for two bells.")
    units = own_units(["One bell is thirty minutes.", "A watch lasts 4 hours"])
    assert units == {"bell": 30.0, "watch": 240.0}
    assert readable("Rise for one and a half bells.", units) == "Rise for 45 minutes."


def test_a_sentence_is_cut_where_something_else_is_done():
    found = clauses(
        readable("Score and bake at 245 C, 20 minutes with the lid on and 22 minutes with the lid off.", {})
    )
    assert [each.does[0] for each in found] == ["score", "bake", "lid_on", "lid_on"]
    assert found[1].heats == (245,) and [each.low for each in found[2].times] == [20]
    assert found[3].has("lid_off")


@pytest.mark.parametrize(
    ("sentence", "rise"),
    [
        ("Leave until doubled", 1.0), ("Let it almost double in size", 0.9), ("until it has grown by half", 0.5),
        ("until it has risen by 60 %", 0.6), ("until +45 %", 0.45), ("until tripled", 2.0), ("risen by a third", 0.33),
    ],
)  # fmt: skip
def test_how_far_it_rises(sentence, rise):
    assert clauses(readable(f"{sentence}.", {}))[0].rise == pytest.approx(rise, abs=0.01)


def read_in(*sentences):
    reader = CourseReader({}, {})
    for each in sentences:
        reader.read(each, "", False)
    return told(reader.method())


@pytest.mark.parametrize(
    ("sentences", "wanted"),
    [
        (("Mix.", "Divide.", "Rest 20 minutes.", "Shape.", "Bake."), "mix|divide|bench_rest 20|shape|bake"),
        (("Mix.", "Divide.", "Rest 20 minutes.", "Bake."), "mix|divide|proof 20|bake"),
        (("Mix flour and water and leave 30 minutes.", "Add levain and salt.", "Bake."), "autolyse 30|mix|bake"),
        (("Mix everything and leave 30 minutes.", "Knead 5 minutes.", "Bake."), "mix|rest 30|knead 5|bake"),
        (("Mix.", "Bulk 4 hours, folding every hour.", "Bake."), "mix|bulk 240 f3x60|bake"),
        (("Mix.", "Rise 1 hour, then refrigerate overnight.", "Bake."), "mix|bulk 60|bulk fridge 480-840|bake"),
        (("Mix.", "Shape.", "Chill 12 hours.", "Take out 2 hours before baking.", "Bake."),
         "mix|shape|proof fridge 720|warm_up 120|bake"),
        (("Mix.", "Bake at 250 C for 20 minutes, then at 220 C for 15 minutes."), "mix|bake 250x20 220x15"),
        (("Mix.", "Bake at 240 C for 45 minutes, lid off after 25 minutes."), "mix|bake 240x25c 240x20"),
        (("Mix.", "Bake at 190 C (fan 170 C) for 20 minutes."), "mix|bake 190x20"),
        (("Mix.", "Bake 30 minutes at gas mark 7.", "Cool for 2 hours."), "mix|bake 220x30|cool 120"),
        (("Wait a day before cutting.", "Mix.", "Bake."), "mix|bake|cool 1440"),
        (("Bake it.",), "mix|bake"),
    ],
)  # fmt: skip
def test_sentences_become_stages_by_where_the_reading_stands(sentences, wanted):
    assert "|".join(read_in(*sentences)) == wanted


def test_what_is_not_understood_is_what_is_left():
    assert left_over("Mix the flour and water for 5 minutes") == ""
    assert left_over("Bake until the neighbours whistle") == "neighbours whistle"


def test_amounts_that_a_sentence_mixes_first_are_taken_from_the_dough():
    text = "500 g bread flour\n360 g water\n10 g salt\n50 g starter\n\n"
    text += "Mix the starter with 75 g of the flour and 75 g of the water and leave for 4 hours."
    found = gather(cut(text), Habits(), None, None)
    by_stage = {(each.stage, each.mention.item.kind): each.mention.weight.likely for each in found.entries}
    assert found.stages == {"levain": "levain"}
    assert by_stage["levain", "strong_white"] == 75 and by_stage["final", "strong_white"] == 425
    assert by_stage["levain", "levain"] == 50 and by_stage["final", "water"] == 285


@pytest.mark.parametrize(
    "text", ["{", "[1, 2", '{"@type": "Thing"}', "<p>", "<script type='application/ld+json'>{</script>"]
)
def test_what_is_no_recipe_of_another_program_is_left_as_words(text):
    assert isinstance(text_of(text), str)


def test_compatibility_letters_are_undone():
    assert plain("1½ cups") == "1 1/2 cups" and plain("½ tsp") == "1/2 tsp"
    assert [each.low for each in figures(plain("2⅔ cups"))] == [pytest.approx(2.667, abs=0.001)]
