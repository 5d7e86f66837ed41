"""What a method leaves out is filled as a baker would, and says why; what it states stays as it is."""

import json
from typing import Any

import pytest

from gentle_crust.contract.course import PlanQuestion
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.fill import Filled, FilledPath, fill
from gentle_crust.core.course.method import BESIDE
from gentle_crust.text.render import say
from tests.courses import BAKE, COOL, COUNTRY, DIVIDE, LEVAIN, MIX, READY, SHAPE, asked, fridge, levain, yeasted
from tests.courses import formula as formula_of

WAYS = [LEVAIN, MIX, {"kind": "bulk"}, DIVIDE, SHAPE, {"kind": "proof"}, BAKE, COOL]
YEASTED = [MIX, {"kind": "bulk"}, DIVIDE, SHAPE, {"kind": "proof"}, BAKE, COOL]


def question(formula: Any = COUNTRY, stages: Any = None, parts: Any = None, **more: Any) -> Asked:
    """A question as the planner takes it."""
    written = asked(formula, WAYS if stages is None else stages, parts, **more)
    return PlanQuestion.model_validate_json(json.dumps(written)).asked()[0]


def filled(formula: Any = COUNTRY, stages: Any = None, parts: Any = None, **more: Any) -> FilledPath:
    """The first path of a question, filled."""
    return fill(question(formula, stages, parts, **more))[0]


def first(path: FilledPath, kind: str) -> Filled:
    """The first stage of a kind."""
    return next(each for each in path.stages if each.kind == kind)


def why(each: Filled, field: str) -> str:
    """Why a field was filled, in words; nothing if it was not."""
    return next((say(text).sentence for name, text in each.why if name == field), "")


@pytest.mark.parametrize(
    ("day", "night", "place"), [(22, 19, "room"), (10, 8, "oven_off"), (34, 32, "bath"), (13, 13, "room")]
)
def test_a_sourdough_stands_in_the_room_unless_it_would_not_live_there(day: float, night: float, place: str) -> None:
    path = filled(kitchen={"room_day_c": day, "room_night_c": night})
    for kind in ("levain", "bulk", "proof"):
        assert first(path, kind).place.name == place
        assert "the kitchen is" in why(first(path, kind), "place")


def test_yeast_bears_a_colder_and_a_warmer_room_than_a_levain_does() -> None:
    yeast = formula_of("boule", 68, yeast_percent=1.0, scaling_weight_g=700)
    for day in (10, 34):
        kitchen = {"room_day_c": day, "room_night_c": day}
        assert first(filled(yeast, YEASTED, kitchen=kitchen), "bulk").place.name == "room"
        assert first(filled(kitchen=kitchen), "bulk").place.name != "room"


def test_what_is_stated_is_not_filled_and_has_no_reason() -> None:
    stated = {
        "kind": "bulk", "place": "proofer", "container": "box", "until": {"rise": 0.6},
        "folds": [{"kind": "coil", "count": 2, "first_min": 40, "gap_min": 40}],
    }  # fmt: skip
    bulk = first(
        filled(stages=[LEVAIN, {**MIX, "by": "folds", "minutes": 9}, stated, DIVIDE, SHAPE, READY, BAKE]), "bulk"
    )
    assert bulk.why == ()
    assert (bulk.place.name, bulk.stage.container, bulk.until.way, bulk.until.value) == ("proofer", "box", "rise", 0.6)
    assert [(each.kind, each.count) for each in bulk.stage.folds or ()] == [("coil", 2)]


def test_no_folds_are_kept_as_no_folds() -> None:
    bulk = first(filled(stages=[LEVAIN, MIX, {"kind": "bulk", "folds": []}, DIVIDE, SHAPE, READY, BAKE]), "bulk")
    assert bulk.stage.folds == () and why(bulk, "folds") == ""


def test_a_slack_dough_is_folded_and_a_kneaded_one_is_not() -> None:
    folded = first(filled(), "bulk")
    assert folded.stage.folds and "folds: the dough is" in why(folded, "folds")
    by_machine = filled(stages=[LEVAIN, {"kind": "mix", "by": "spiral_mixer"}, *WAYS[2:]])
    assert first(by_machine, "bulk").stage.folds == () and why(first(by_machine, "bulk"), "folds") == "kneading does it"
    kneaded = filled(stages=[LEVAIN, MIX, {"kind": "knead"}, *WAYS[2:]])
    assert first(kneaded, "bulk").stage.folds == ()


def test_a_second_bulk_is_not_folded_again_nor_is_one_in_the_fridge() -> None:
    path = filled(stages=[LEVAIN, MIX, {"kind": "bulk"}, fridge("bulk", 12, 24), DIVIDE, SHAPE, READY, BAKE])
    warm, cold = (each for each in path.stages if each.kind == "bulk")
    assert warm.stage.folds and cold.stage.folds == ()
    only_cold = filled(stages=[LEVAIN, MIX, {"kind": "bulk", "place": "fridge"}, DIVIDE, SHAPE, READY, BAKE])
    assert first(only_cold, "bulk").stage.folds == ()


def test_a_very_wet_dough_goes_into_a_box_bowl_folds_first() -> None:
    wet = formula_of("slipper", 90, preferments=[levain(15)], scaling_weight_g=400, pieces=2)
    bulk = first(filled(wet), "bulk")
    assert bulk.stage.container == "box"
    assert next(each.kind for each in bulk.stage.folds or ()) == "bowl"
    assert first(filled(), "bulk").stage.container == "covered_bowl"


def test_ends_are_filled_by_what_a_stage_is_for() -> None:
    soaked = {**COUNTRY, "autolyse_min": 45}
    path = filled(
        soaked,
        [LEVAIN, {"kind": "autolyse"}, MIX, {"kind": "bulk"}, DIVIDE, {"kind": "preshape"}, {"kind": "bench_rest"},
         SHAPE, {"kind": "proof", "place": "fridge"}, BAKE, COOL],
    )  # fmt: skip
    assert first(path, "levain").until.way == "ripe"
    assert first(path, "autolyse").until.minutes == (45, 45), "the formula's own"
    assert first(path, "bulk").until.way == "ready"
    assert first(path, "bench_rest").until.minutes == (20, 20)
    low, high = first(path, "proof").until.minutes
    assert (low, high) == (480, 1080), "cold, a proof is a night that may be longer or shorter"
    assert all(why(each, "until") for each in path.stages if each.kind in ("levain", "autolyse", "bulk", "cool"))


def test_rye_cools_longer_than_wheat() -> None:
    rye = {
        **formula_of(
            "pan_loaf", 85, preferments=[{**levain(35), "flour_kind": "whole_rye"}], scaling_weight_g=900, pieces=1
        ),
        "flours": [{"kind": "whole_rye", "percent": 100}],
    }
    wheat = first(filled(), "cool").until.minutes
    assert first(filled(rye), "cool").until.minutes[0] > 2 * wheat[0]


def test_hands_take_longer_for_more_pieces() -> None:
    few, many = (filled({**COUNTRY, "pieces": pieces}) for pieces in (1, 12))
    for kind in ("divide", "shape"):
        assert first(few, kind).work_min < first(many, kind).work_min
    assert why(first(few, "shape"), "minutes") == "usual for one piece"
    assert why(first(many, "shape"), "minutes") == "usual for 12 pieces"


def test_of_parts_each_has_the_hands_of_its_own_pieces() -> None:
    tail = [SHAPE, READY, BAKE]
    parts = [{"name": "now", "pieces": 1, "stages": tail}, {"name": "later", "pieces": 7, "stages": tail}]
    now, later = fill(question({**COUNTRY, "pieces": 8}, [LEVAIN, MIX, {"kind": "bulk"}, DIVIDE], parts))
    assert first(now, "shape").work_min < first(later, "shape").work_min
    assert first(now, "divide").work_min == first(later, "divide").work_min, "one dough is divided once"
    assert now.batch.dough_g * 7 == pytest.approx(later.batch.dough_g)
    assert [each.part for each in later.stages if each.kind not in BESIDE][:2] == ["", ""]


def test_each_leaven_ripens_its_own_row_and_grams() -> None:
    both = formula_of("boule", 74, preferments=[levain(12), yeasted("poolish", 25, 0.1)], scaling_weight_g=800)
    path = filled(both, [{"kind": "preferment"}, *WAYS])
    assert {each.kind: each.row for each in path.beside} == {"preferment": 1, "levain": 0}


@pytest.mark.parametrize(("by", "minutes", "least", "most"), [
    ("spiral_mixer", 8, 0.95, 1.0), ("spiral_mixer", 3, 0.1, 0.5), ("hand_kneading", 4, 0.0, 0.0),
])  # fmt: skip
def test_a_dough_that_is_mixed_short_is_less_developed(by: str, minutes: float, least: float, most: float) -> None:
    mixed = [LEVAIN, {"kind": "mix", "by": by, "minutes": minutes}, {"kind": "bulk", "folds": []}, *WAYS[3:]]
    assert least <= filled(stages=mixed).batch.makeup.folded <= most


def test_folds_make_up_for_a_short_mix() -> None:
    def developed(sets: int) -> float:
        folds = [{"kind": "stretch", "count": sets, "first_min": 30, "gap_min": 30}] if sets else []
        return filled(stages=[LEVAIN, MIX, {"kind": "bulk", "folds": folds}, *WAYS[3:]]).batch.makeup.folded

    assert developed(0) < developed(2) < developed(4) == 1.0
