"""Eighty written recipes against their right readings, and what else a recipe must survive."""

import json

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from gentle_crust.contract.recipe import Fixes, ItemFix, SentenceFix
from gentle_crust.core.course.written import method_of
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.label import label
from gentle_crust.core.formula.measures import Habits
from gentle_crust.core.formula.model import check
from gentle_crust.core.formula.scaling import weigh
from gentle_crust.interchange.files import bring_in, export
from gentle_crust.interchange.recipe.figures import counted, figures, plain
from gentle_crust.interchange.recipe.whole import read
from gentle_crust.interchange.recipe_json import told as as_json
from gentle_crust.kitchen.formulas import FormulaBook
from gentle_crust.kitchen.work import Work
from gentle_crust.text.render import say
from tests.conftest import SATURDAY
from tests.recipes import kept_back, reviewed
from tests.recipes.score import LEAST, TUNED, rates, score
from tests.recipes.told import told

SCORES = {case.name: score(case) for case in (*TUNED, *kept_back.KEPT_BACK, *reviewed.REVIEWED)}


def test_there_are_eighty_and_twenty_of_them_the_reader_was_never_mended_by():
    assert len(TUNED) == 60 and len(kept_back.KEPT_BACK) == 20
    assert len({case.name for case in (*TUNED, *kept_back.KEPT_BACK)}) == 80


@pytest.mark.parametrize("cases", [[*TUNED, *kept_back.KEPT_BACK], kept_back.KEPT_BACK], ids=["all", "kept back"])
def test_amounts_stages_and_courses_are_right_as_often_as_they_must(cases):
    found = rates([SCORES[case.name] for case in cases])
    assert all(rate >= least for rate, least in zip(found, LEAST, strict=True)), found


@pytest.mark.parametrize("case", [*TUNED, *kept_back.KEPT_BACK], ids=lambda case: case.name)
def test_no_line_is_silently_wrong(case):
    assert SCORES[case.name].silent == ()


@pytest.mark.parametrize("case", [*TUNED, *reviewed.REVIEWED], ids=lambda case: case.name)
def test_a_recipe_is_read_as_its_baker_means_it(case):
    found = SCORES[case.name]
    assert found.wrong == () and found.facts == ()
    assert found.course is not False, told(read(case.text).method)


@pytest.mark.parametrize("case", [*TUNED, *kept_back.KEPT_BACK], ids=lambda case: case.name)
def test_what_comes_of_it_can_be_weighed_and_made(case):
    recipe = read(case.text)
    check(recipe.formula)
    assert method_of(recipe.method, recipe.formula).stages[-1].kind in ("bake", "cool", "finish")
    ids = {stage["id"] for stage in recipe.method["stages"]} | {"final"}
    assert {item.stage for item in recipe.items} <= ids
    assert {sentence.stage for sentence in recipe.sentences} <= ids | {None}
    json.dumps(as_json(recipe))


FIGURES = {
    "2 h 30": [("time", 150, 150)],
    "1h15": [("time", 75, 75)],
    "45'": [("time", 45, 45)],
    "three quarters of an hour": [("time", 45, 45)],
    "a good quarter of an hour": [("time", 15, 15)],
    "twelve to fourteen hours": [("time", 720, 840)],
    "half-hourly": [("time", 30, 30)],
    "4 hours to 6 hours": [("time", 240, 360)],
    "two days": [("time", 2880, 2880)],
    "450F": [("temperature", 232.2, 232.2)],
    "four hundred and fifty degrees": [("temperature", 232.2, 232.2)],
    "230 degrees": [("temperature", 230, 230)],
    "gas mark 8": [("temperature", 230, 230)],
    "105-115 °F": [("temperature", 40.6, 46.1)],
    "24 C": [("temperature", 24, 24)],
    "3 x 250 g": [("amount", 750, 750)],
    "2 T sugar": [("amount", 2, 2)],
    "1 c flour": [("amount", 1, 1)],
    "a dozen": [("count", 12, 12)],
    "twice": [("times", 2, 2)],
    "2.1 %": [("percent", 2.1, 2.1)],
    "9 inch": [("length", 9, 9)],
    "2,5 kg": [("amount", 2.5, 2.5)],
    "at 7 am, 20:30": [],
}


@pytest.mark.parametrize("text", sorted(FIGURES))
def test_figures_are_read_by_the_grammar(text):
    found = figures(counted(plain(text), True))
    assert [(each.kind, round(each.low, 1), round(each.high, 1)) for each in found] == FIGURES[text]


@pytest.mark.parametrize("text", ["1/0 cup", "gas mark 77", "99999999 g"])
def test_numbers_that_are_none_are_refused(text):
    with pytest.raises(ValueError):
        figures(counted(plain(text), True))


LEAN = "500 g bread flour\n350 g water\n10 g salt\n"


@pytest.mark.parametrize(
    ("line", "code"),
    [
        ("2 tsp salt", "which_salt"), ("12 oz milk", "ounces"), ("1 pint beer", "pint"), ("2 cups rye flour", "cups"),
        ("a handful of walnuts", "household"), ("2 cups water (300 g)", "contradiction"),
        ("50 g raisins, optional", "optional"), ("salt to taste", "to_taste"),
        ("water until it is soft", "by_feel"), ("30 g yeast", "which_yeast"), ("100 g oat flour", "other_flour"),
    ],
)  # fmt: skip
def test_what_is_uncertain_is_asked_about(line, code):
    recipe = read(f"500 g bread flour\n{line}")
    asked = next(each for each in recipe.questions if each.code == code)
    assert recipe.items[asked.item].text == line and str(say(asked.text))


def test_a_line_that_is_not_known_is_named_and_asked_about():
    recipe = read(LEAN + "200 g moonlight\nhalf the flour")
    assert set(recipe.unread) == {"200 g moonlight", "half the flour"}
    asked = " ".join(str(say(each.text)) for each in recipe.questions if each.code == "line")
    assert "half the flour" in asked and "moonlight" in asked


def test_less_of_a_levain_than_is_made_is_asked_about():
    text = "Levain\n20 g starter\n100 g bread flour\n100 g water\nDough\n" + LEAN + "150 g levain"
    recipe = read(text)
    asked = next(each for each in recipe.questions if each.code == "leftover")
    assert "220" in str(say(asked.text)) and "150" in str(say(asked.text))
    assert recipe.formula.preferments[0].flour_percent == pytest.approx(100 * 110 / 610, abs=0.01)


def test_yeast_of_an_old_recipe_is_taken_for_fresh_and_settled_by_its_baker():
    text = "1 lb flour\n10 oz water by weight\n1 oz yeast\n2 tsp salt"
    assert read(text).formula.yeast_kind == "fresh"
    fixed = read(text, fixes=Fixes(items=(ItemFix("1 oz yeast", yeast="active_dry"),)))
    assert fixed.formula.yeast_kind == "active_dry"


def test_what_the_baker_says_of_an_item_counts():
    text = "Poolish\n100 g bread flour\n100 g water\n.1 g instant yeast\nDough\n" + LEAN + "50 g honey"
    moved = read(text, fixes=Fixes(items=(ItemFix("50 g honey", g=20), ItemFix("10 g salt", out=True))))
    assert [item.g.likely for item in moved.items if item.kind == "honey"] == [20]
    assert moved.formula.salt_percent == 0 and "no_salt" in {each.code for each in moved.warnings}
    unknown = read(text, fixes=Fixes(items=(ItemFix("50 g honey", stage="nowhere"),)))
    assert next(item for item in unknown.items if item.kind == "honey").stage == "final"


def test_what_the_baker_says_of_a_sentence_counts():
    text = LEAN + "4 g instant yeast\nMix. Leave for 50 minutes. Shape, leave for 40 minutes. Bake 30 minutes at 220 C."
    assert "rest 50" in told(read(text).method)
    bulk = read(text, fixes=Fixes(sentences=(SentenceFix("Leave for 50 minutes.", "bulk"),)))
    assert "bulk 50" in told(bulk.method)
    none = read(text, fixes=Fixes(sentences=(SentenceFix("Leave for 50 minutes.", "none"),)))
    assert [each.split()[0] for each in told(none.method)] == ["mix", "shape", "proof", "bake"]


def test_alcohol_fat_sugar_and_salt_of_what_goes_in_count():
    from gentle_crust.core.fermentation.dough import makeup_of

    beer = read("500 g bread flour\n350 g beer\n10 g salt\n5 g instant yeast").formula
    water = read("500 g bread flour\n350 g water\n10 g salt\n5 g instant yeast").formula
    assert beer.hydration_percent == pytest.approx(64.4, abs=0.1)
    assert makeup_of(beer).pace < 0.85 * makeup_of(water).pace
    rich = read("500 g bread flour\n4 eggs\n100 g water\n100 g cheese\n8 g salt\n5 g instant yeast").formula
    found = makeup_of(rich)
    assert found.fat_percent == pytest.approx((20 + 28) / 5, abs=0.2)
    assert found.salt_percent == pytest.approx((8 + 1.8 + 0.6) / 5, abs=0.05)
    assert rich.hydration_percent == pytest.approx((100 + 150 + 40) / 5, abs=0.1)


def test_more_yeast_and_odd_salt_are_remarked_on():
    odd = read("500 g bread flour\n350 g water\n20 g salt\n20 g instant yeast")
    assert {"salt_high", "yeast_high"} <= {each.code for each in odd.warnings}
    assert "salt_low" in {
        each.code for each in read("500 g bread flour\n350 g water\n4 g salt\n3 g instant yeast").warnings
    }


def test_another_language_is_said_to_be_unread():
    recipe = read("500 g Mehl und 350 g Wasser mit 10 g Salz\nDie Hefe in das Wasser geben und 2 Stunden gehen lassen")
    assert "other_language" in {each.code for each in recipe.warnings} and recipe.formula is None
    assert recipe.method is None


def test_a_preferment_of_two_hundred_percent_is_taken():
    text = (
        "Poolish\n100 g bread flour\n200 g water\n.2 g instant yeast\nDough\n400 g bread flour\n150 g water\n10 g salt"
    )
    recipe = read(text)
    check(recipe.formula)
    assert recipe.formula.preferments[0].hydration_percent == 200


RECIPE = {
    "@context": "https://schema.org", "@type": "Recipe", "name": "Sluice gate loaf", "recipeYield": "2 loaves",
    "recipeIngredient": ["600 g strong white flour", "400 g water", "12 g salt", "6 g instant yeast"],
    "recipeInstructions": [
        {"@type": "HowToSection", "name": "Dough", "itemListElement": [
            {"@type": "HowToStep", "text": "Mix everything &amp; knead for 8 minutes."},
            {"@type": "HowToStep", "text": "Let rise 1 hour."}]},
        {"@type": "HowToStep", "text": "Divide into 2, shape, proof 45 minutes. Bake 30 minutes at 230 C."},
    ],
}  # fmt: skip
WANTED = ("mix", "knead 8", "bulk 60", "divide", "shape", "proof 45", "bake 230x30")


def test_a_recipe_of_another_program_is_read_with_its_instructions():
    found = read(json.dumps(RECIPE))
    assert found.formula.name == "Sluice gate loaf" and found.formula.pieces == 2
    assert told(found.method) == WANTED


def test_a_saved_page_is_read_by_its_data_or_its_words():
    data = json.dumps({"@graph": [RECIPE]})
    page = f"<html><head><script type='application/ld+json'>{data}</script></head><body>x</body>"
    assert told(read(page).method) == WANTED
    words = (
        "<html><style>p{}</style><body><h1>Sluice gate loaf</h1><ul><li>600 g strong white flour<li>400 g water"
        "<li>12 g salt<li>6 g instant yeast</ul><p>Mix everything, knead for 8 minutes.</p><p>Let rise 1&nbsp;hour.</p>"
        "<p>Divide into 2, shape, proof 45 minutes. Bake 30 minutes at 230&deg;C.</p></body></html>"
    )
    assert told(read(words).method) == WANTED


def test_a_file_brings_its_method_along():
    formula = bring_in(json.dumps(RECIPE).encode())
    assert [stage["kind"] for stage in formula.method["stages"]][:3] == ["mix", "knead", "bulk"]
    plainly = bring_in(b"600 g strong white flour\n400 g water\n12 g salt\n6 g instant yeast")
    assert plainly.method is None


def test_a_cup_and_a_spoon_that_were_weighed_once_narrow_what_is_read():
    text = "4 cups bread flour\n2 cups rye flour\n2 tsp salt\n500 g water\n5 g instant yeast"
    own = read(text, Habits(cup_flour_g=140, teaspoon_salt_g=4))
    by_kind = {item.kind: item.g for item in own.items}
    assert by_kind["strong_white"].likely == pytest.approx(560, abs=1)
    assert by_kind["rye"].likely == pytest.approx(280 * 0.444 / 0.528, abs=2)
    assert by_kind["salt"].likely == pytest.approx(8, abs=0.1)
    for g in (by_kind["strong_white"], by_kind["salt"]):
        assert g.high - g.low < 0.07 * g.likely


def test_too_much_and_a_cup_of_no_size_are_refused():
    for text, habits, field in [("x" * 20_001, Habits(), "text"), ("flour\n" * 401, Habits(), "text")]:
        with pytest.raises(CraftError) as refused:
            read(text, habits)
        assert refused.value.field == field
    with pytest.raises(CraftError) as refused:
        read(LEAN, Habits(cup_ml=20))
    assert refused.value.field == "cup_ml"


SCRAPS = st.sampled_from(
    ["Levain", "Dough:", "500 g flour", "1/0 cup", "½", "bake", "fold every", "lid off after 5 minutes", "at 240", "°F",
     "the rest of", "of the flour", "until", "overnight", "{", "<li>", "% % %", "x 3 x", "gas mark", "\x00", "٣",
     "0 g salt", "all of the levain", "makes 0 loaves", "divide into 0", "Shape.", "twice", "12:99", "or to", "\n",
     "\n", ". ", ", "]
)  # fmt: skip


@settings(max_examples=250, deadline=None)
@given(st.one_of(st.text(max_size=400), st.lists(SCRAPS, max_size=40).map(" ".join)))
def test_nothing_that_is_pasted_breaks_the_reading(text):
    recipe = read(text)
    for item in recipe.items:
        assert 0 <= item.g.low <= item.g.likely <= item.g.high
    assert (recipe.formula is None) == (recipe.method is None)
    json.dumps(as_json(recipe))


def test_water_left_to_the_hand_becomes_a_formula_by_feel():
    recipe = read("500 g bread flour\n300 to 340 g water, as much as it takes\n10 g salt\n5 g instant yeast")
    assert recipe.formula.hydration_percent == pytest.approx(60) and recipe.formula.feel_to_percent == pytest.approx(68)
    check(recipe.formula)
    unsaid = read("700 g whole wheat flour\nwater to make a soft dough\n14 g salt\n5 g instant yeast")
    assert unsaid.formula.hydration_percent == pytest.approx(70, abs=0.1)
    assert unsaid.formula.feel_to_percent == pytest.approx(82, abs=0.1)
    check(unsaid.formula)
    assert read(LEAN + "5 g instant yeast").formula.feel_to_percent is None


@pytest.mark.parametrize(
    ("text", "said"),
    [
        ("25 g salt per litre of water", 25 * 1.5), ("12 g salt per loaf", 24),
    ],
)  # fmt: skip
def test_amounts_per_litre_and_per_loaf(text, said):
    recipe = read(f"Makes 2 loaves\n1500 g water\n2300 g bread flour\n{text}\n20 g instant yeast")
    assert next(item.g.likely for item in recipe.items if item.role == "salt") == pytest.approx(said)


def test_the_programs_own_text_is_read_back_the_same(client_free_formulas):
    for formula, text in client_free_formulas:
        found = read(text).formula
        assert (found.name, found.pieces, found.shape) == (formula.name, formula.pieces, formula.shape)
        assert found.hydration_percent == pytest.approx(formula.hydration_percent, abs=0.3)
        assert found.salt_percent == pytest.approx(formula.salt_percent, abs=0.05)
        assert found.yeast_percent == pytest.approx(formula.yeast_percent, abs=0.01)
        kinds = sorted((share.kind, round(share.percent)) for share in formula.flours)
        assert sorted((share.kind, round(share.percent)) for share in found.flours) == kinds
        assert [each.kind for each in found.preferments] == [each.kind for each in formula.preferments]
        for ours, theirs in zip(found.preferments, formula.preferments, strict=True):
            assert ours.hydration_percent == pytest.approx(theirs.hydration_percent, abs=1)
            assert ours.flour_percent == pytest.approx(theirs.flour_percent, abs=0.2)
        assert [each.kind for each in found.soakers] == [each.kind for each in formula.soakers]
        check(found)


@pytest.fixture
def client_free_formulas(sessions):
    work = Work(sessions, lambda: SATURDAY)
    formulas = [kept.formula for kept in FormulaBook(work).all()]
    assert len(formulas) > 5
    return [(each, export(each, weigh(each, each.pieces, each.scaling_weight_g), "text")) for each in formulas]


def test_a_saved_page_may_be_long_but_not_its_recipe():
    data = json.dumps(RECIPE)
    page = f"<html><script type='application/ld+json'>{data}</script><p>{'advertisement ' * 9000}</p></html>"
    assert told(read(page).method) == WANTED
    with pytest.raises(CraftError):
        read("<html><p>" + "word " * 500_000 + "</p></html>")
    with pytest.raises(CraftError):
        read("<html><p>" + "word " * 9000 + "</p></html>")


@pytest.mark.parametrize(
    ("line", "allergen"),
    [
        ("300 g dark beer", "barley"), ("2 egg yolks", "eggs"), ("50 g kefir", "milk"), ("100 g walnuts", "nuts"),
        ("100 g feta", "milk"), ("60 g sesame seeds", "sesame"),
    ],
)  # fmt: skip
def test_allergens_of_what_goes_in_are_told(line, allergen):
    formula = read(f"500 g bread flour\n300 g water\n10 g salt\n5 g instant yeast\n{line}").formula
    named = [each.code for each in label(formula, weigh(formula, 1, 800)).allergens]
    assert f"allergen-{allergen}" in named
