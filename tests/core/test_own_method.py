"""A formula's own method: its stages follow its rows, its parts its pieces; two versions of it side by side."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta

import pytest

from gentle_crust.core.clock import Nights, Room
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.method import days_later, numbered, with_pieces
from gentle_crust.core.course.plan import in_style, plan
from gentle_crust.core.course.stage_lines import compare_methods, ends
from gentle_crust.core.course.styles import OWN, fitting, method_for, own_method, own_style, style_of
from gentle_crust.core.course.written import method_of
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.model import FlourShare, Formula, Preferment, Soaker
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.text.render import say
from tests.plans import kitchen

POT = Vessel("pot", "lidded_cast_iron", "Iron pots", 2)
KITCHEN = kitchen("Europe/Lisbon", Room(22, 19, 4), Nights(22.5, 6.5), Oven(), vessels=(POT,))
SHORT = [
    {"kind": "levain"}, {"kind": "mix"}, {"kind": "bulk", "until": {"rise": 0.45}}, {"kind": "divide"},
    {"kind": "shape"}, {"kind": "proof", "place": "fridge", "until": {"hours": [8, 18]}}, {"kind": "bake"},
    {"kind": "cool"},
]  # fmt: skip
LEVAIN = Formula(
    "Levain", (FlourShare("strong_white", 100),), 70, 2, "boule",
    preferments=(Preferment("levain", "strong_white", 10, 100),), method={"stages": SHORT},
)  # fmt: skip
TWO = {
    "stages": SHORT[:4],
    "parts": [
        {"name": "today", "pieces": 3, "stages": SHORT[4:]},
        {
            "name": "tomorrow",
            "pieces": 1,
            "stages": [{"kind": "keep", "place": "fridge", "until": {"hours": [18, 30]}}, *SHORT[4:]],
        },
    ],
}


def kinds(method):
    return [stage.kind for stage in method.stages]


def test_its_own_method_is_what_it_is_made_by_first():
    assert fitting(LEVAIN)[0].id == OWN and fitting(replace(LEVAIN, method=None))[0].id == "cold_shaped"
    assert method_for(style_of(OWN, LEVAIN), LEVAIN) == own_method(LEVAIN)
    assert own_style(replace(LEVAIN, method=None)) is None


def test_without_one_its_style_is_refused_by_name():
    with pytest.raises(CraftError) as refused:
        style_of(OWN, replace(LEVAIN, method=None))
    assert refused.value.field == "style"


def test_what_ripens_follows_the_rows_of_the_formula():
    assert kinds(own_method(LEVAIN))[:2] == ["levain", "mix"]
    gone = replace(LEVAIN, preferments=(), yeast_percent=1.0)
    assert "levain" not in kinds(own_method(gone))
    more = replace(
        LEVAIN,
        preferments=(*LEVAIN.preferments, Preferment("poolish", "strong_white", 20, 100, 0.1)),
        soakers=(Soaker("Seeds", "soaker", 6),),
    )
    assert sorted(kinds(own_method(more))[:3]) == ["levain", "preferment", "soak"]
    assert len({stage.id for stage in own_method(more).stages}) == len(own_method(more).stages)


def test_a_stage_that_cannot_be_is_named():
    wrong = replace(LEVAIN, method={"stages": [*SHORT, {"kind": "bake"}]})
    with pytest.raises(CraftError) as refused:
        own_method(wrong)
    assert refused.value.field == "method.stages.8.kind" and "bake" in say(refused.value.what).sentence


@pytest.mark.parametrize(("pieces", "counts"), [(4, [3, 1]), (6, [5, 1]), (3, [2, 1]), (2, [1, 1]), (1, [1, 1])])
def test_more_pieces_go_to_the_first_part_and_every_part_keeps_one(pieces, counts):
    method = with_pieces(method_of(TWO, LEVAIN), pieces)
    assert [part.pieces for part in method.parts] == counts


def test_parts_are_baked_as_many_days_later_as_their_holds_say():
    assert days_later(method_of(TWO, LEVAIN)) == {"today": 0, "tomorrow": 1}
    assert days_later(method_of({"stages": SHORT}, LEVAIN)) == {}


@pytest.mark.parametrize(
    ("until", "words"),
    [
        ("ready", "until it is ready"), ("judged", "until I judge it ready"), ({"rise": 0.45}, "to a rise of 45 %"),
        ({"share": 0.8}, "to 80 % of its greatest volume"), ({"minutes": 40}, "40 min"),
        ({"hours": [8, 18]}, "8 h to 18 h"), ({"dough_c": 18}, "until the dough has 18 C"),
        ({"at": "06:30"}, "until 06:30"),
    ],
)  # fmt: skip
def test_what_ends_a_stage_is_said(until, words):
    stage = numbered(
        method_of({"stages": [{"kind": "mix"}, {"kind": "bulk", "until": until}, {"kind": "bake"}]})
    ).stages[1]
    assert say(ends(stage.until)).sentence == words


def lines(before, after):
    return {
        say(each.what).sentence: (say(each.before).sentence, say(each.after).sentence)
        for each in compare_methods(before, after)
        if each.differs
    }


def test_two_versions_differ_stage_by_stage():
    changed = [dict(stage) for stage in SHORT]
    changed[2]["until"] = {"rise": 0.6}
    changed.insert(3, {"kind": "bulk", "place": "fridge", "until": {"hours": [12, 36]}})
    found = lines(LEVAIN, replace(LEVAIN, method={"stages": changed}))
    assert found == {
        "Method, bulk": ("to a rise of 45 %", "to a rise of 60 %"),
        "Method, bulk in the cold": ("", "the fridge and 12 h to 36 h"),
    }
    assert compare_methods(replace(LEVAIN, method=None), replace(LEVAIN, method=None)) == ()


@pytest.mark.parametrize(
    ("place", "change", "words"),
    [
        (2, {"container": "box"}, "in a box"),
        (2, {"folds": [{"kind": "coil", "count": 3, "first_min": 40, "gap_min": 25}]}, "40 min, 25 min apart"),
        (5, {"shelf": "top"}, "top shelf"),
        (1, {"by": "spiral_mixer"}, "in the mixer"),
        (4, {"minutes": 12}, "12 min"),
        (6, {"vessel": "stone", "heated": "all", "steam": ["hot_pan"]}, "heated first"),
        (6, {"stages": [{"minutes": 31, "setpoint_c": 230}]}, "31 min at 230 C"),
    ],
)
def test_whatever_is_changed_of_a_stage_is_seen(place, change, words):
    changed = [dict(stage) for stage in SHORT]
    changed[place] |= change
    ((_, after),) = lines(LEVAIN, replace(LEVAIN, method={"stages": changed})).values()
    assert words in after


def test_a_stage_that_comes_twice_and_one_of_a_part_are_told_apart():
    twice = [*SHORT[:3], {"kind": "knock_back"}, {"kind": "bulk", "until": "ready"}, *SHORT[3:]]
    found = lines(replace(LEVAIN, method=None), replace(LEVAIN, method={"stages": twice}))
    assert found["Method, bulk 2"] == ("", "until it is ready")
    parts = lines(replace(LEVAIN, method=None), replace(LEVAIN, method=TWO))
    assert parts["Method, tomorrow: keep in the cold"] == ("", "the fridge and 18 h to 30 h")


def test_in_another_style_parts_are_wanted_with_the_first_and_pieces_are_shared_out():
    now = datetime(2026, 11, 28, 6, 30, tzinfo=UTC)
    noon = datetime(2026, 11, 30, 12, tzinfo=UTC)
    asked = Asked(
        formula=replace(LEVAIN, method=TWO), method=method_of(TWO, LEVAIN), kitchen=KITCHEN, pieces=4,
        scaling_weight_g=500, dough_c=25, now=now,
        ready=(("today", noon), ("tomorrow", noon + timedelta(days=1))),
    )  # fmt: skip
    plain = in_style(asked, style_of("cold_shaped"))
    assert plain.ready == (("", noon),) and not plan(plain).problems
    own = in_style(replace(asked, pieces=6), own_style(asked.formula))
    assert [part.pieces for part in own.method.parts] == [5, 1] and own.ready == asked.ready
