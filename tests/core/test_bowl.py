"""What goes into the bowl and in which order: said when it is mixed, and what comes later where it is worked in."""

from dataclasses import replace

from gentle_crust.contract.formula import FormulaBody
from gentle_crust.core.course.adding import takes
from gentle_crust.core.course.bowl import goes_in, in_order
from gentle_crust.text.render import say
from tests.core.test_course_words import told, with_stages
from tests.courses import BAKE, COUNTRY, DIVIDE, LEVAIN, READY, SHAPE, formula

NUTS = {"name": "Walnuts", "kind": "other", "percent": 10}
FOLDS = [{"kind": "stretch", "count": 2, "first_min": 30, "gap_min": 30}]


def mixed(mix, bulk=None, of=COUNTRY):
    return with_stages(
        [LEVAIN, {"kind": "mix", **mix}, {"kind": "bulk", **(bulk or {})}, DIVIDE, SHAPE, READY, BAKE], of
    )


def names(body):
    return [(id, str(say(name))) for id, name in goes_in(FormulaBody.model_validate(body).formula())]


def test_what_is_in_a_formula_can_be_put_in_order_and_nothing_else():
    assert names({**COUNTRY, "extras": [NUTS]}) == [
        ("flour", "flour"), ("water", "water"), ("levain", "levain"), ("salt", "salt"), ("Walnuts", "Walnuts"),
    ]  # fmt: skip
    yeasted = names(formula("boule", 66, yeast_percent=1.0, salt_percent=0))
    assert [id for id, _ in yeasted] == ["flour", "water", "yeast"]
    twice = names({**COUNTRY, "extras": [NUTS, {**NUTS, "percent": 5}]})
    assert [id for id, _ in twice].count("Walnuts") == 1


def test_an_order_is_said_as_it_was_written():
    plan = mixed({"order": ["water", "levain", "flour", "salt"]})
    assert told(plan, "mix").startswith("Everything together, water at")
    assert "In this order: water, levain, flour and salt." in told(plan, "mix")
    assert "In this order" not in told(mixed({}), "mix")
    assert str(say(in_order(("salt",)))) == "salt"


def test_salt_that_comes_later_is_left_out_at_first_and_worked_in_at_the_first_fold():
    plan = mixed({"late": ["salt"]}, {"folds": FOLDS})
    assert "Work in" not in told(plan, "mix")
    folds = [each["text"] for each in plan["steps"] if each["step"] == "fold"]
    assert folds[0].endswith("Work in salt.") and len(folds) == 2
    assert "Work in" not in folds[1]


def test_without_a_fold_it_is_worked_in_at_the_end_of_mixing():
    kneaded = {"by": "hand_kneading", "minutes": 10, "late": ["salt", "Walnuts"]}
    plan = mixed(kneaded, {"folds": []}, {**COUNTRY, "extras": [NUTS]})
    assert told(plan, "mix").rstrip().endswith("Work in salt and Walnuts.")


def test_what_a_formula_works_in_later_is_found_without_a_word_of_the_method():
    late = mixed({}, {"folds": FOLDS}, {**COUNTRY, "salt_late": True})
    folds = [each["text"] for each in late["steps"] if each["step"] == "fold"]
    assert "Work in salt." in folds[0]


def test_only_mixing_takes_an_order():
    assert {"order", "late"} <= set(takes("mix"))
    for kind in ("knead", "bulk", "shape", "divide"):
        assert not {"order", "late"} & set(takes(kind))


def test_grains_that_are_soaked_go_in_by_what_they_are():
    soaker = {
        "kind": "soaker",
        "name": "Linseed",
        "water_percent": 10,
        "flours": [],
        "extras": [{**NUTS, "name": "Linseed"}],
    }
    made = FormulaBody.model_validate({**COUNTRY, "soakers": [soaker]}).formula()
    assert ("soaker", "soaked grains") in [(id, str(say(name))) for id, name in goes_in(made)]
    assert "soaker" not in [id for id, _ in goes_in(replace(made, soakers=()))]
