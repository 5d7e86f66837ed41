"""Methods that cannot be: each is refused with a sentence that names the stage and says what to do."""

import json
from typing import Any

import pytest

from gentle_crust.contract import problem
from gentle_crust.core.course.as_written import as_written
from gentle_crust.core.course.method import Method
from gentle_crust.core.course.written import method_of
from gentle_crust.core.errors import CraftError
from gentle_crust.interchange.plan_json import answer
from tests.courses import BAKE, COUNTRY, DIVIDE, LEVAIN, MIX, READY, SHAPE, asked, courses

WAYS = [MIX, DIVIDE, SHAPE, READY, BAKE]


def refused(**change: Any) -> problem.ProblemField:
    """What is said of a question with something changed; ``stages`` changes the method."""
    question = asked(COUNTRY, change.pop("stages", WAYS), change.pop("parts", None))
    with pytest.raises(CraftError) as caught:
        answer(json.dumps({**question, **change}))
    return problem.of_craft(caught.value)[0]


@pytest.mark.parametrize(
    ("stages", "names"),
    [
        ([DIVIDE, MIX, BAKE], "stage 1 (divide)"),
        ([MIX, BAKE, BAKE], "stage 3 (bake)"),
        ([MIX, MIX, BAKE], "stage 2 (mix)"),
        ([MIX, BAKE, READY], "stage 3 (proof)"),
        ([MIX, LEVAIN, BAKE], "stage 2 (levain)"),
        ([MIX, {"kind": "proof", "until": {}}, BAKE], "stage 2 (proof)"),
        ([MIX, {"kind": "proof", "until": {"rise": 0.5, "minutes": 30}}, BAKE], "stage 2 (proof)"),
        ([MIX, {"kind": "proof", "until": {"hours": 1e9}}, BAKE], "stage 2 (proof)"),
        ([MIX, {"kind": "proof", "until": {"rise": 50}}, BAKE], "stage 2 (proof)"),
        ([MIX, {"kind": "keep", "until": {"hours": -3}}, BAKE], "stage 2 (keep)"),
        ([MIX, {"kind": "keep", "until": {"hours": [-8, -4]}}, BAKE], "stage 2 (keep)"),
        ([MIX, {"kind": "keep", "until": {"hours": [18, 12]}}, BAKE], "stage 2 (keep)"),
        ([MIX, {"kind": "keep", "until": {"at": "half past six"}}, BAKE], "stage 2 (keep)"),
        ([MIX, {"kind": "bulk", "place": "cellar"}, BAKE], "stage 2 (bulk)"),
        ([MIX, {"kind": "bulk", "place": "fridge", "shelf": "door"}, BAKE], "stage 2 (bulk)"),
        ([MIX, {"kind": "bulk", "container": "bucket"}, BAKE], "stage 2 (bulk)"),
        ([MIX, {"kind": "bulk", "path": []}, BAKE], "stage 2 (bulk)"),
        ([MIX, {"kind": "bulk", "folds": [{"kind": "slap", "count": 2}]}, BAKE], "stage 2 (bulk)"),
        ([MIX, {"kind": "bulk", "folds": [{"kind": "coil", "count": 99}]}, BAKE], "stage 2 (bulk)"),
        ([{"kind": "mix", "by": "elbow"}, BAKE], "stage 1 (mix)"),
        ([{"kind": "mix", "minutes": -5}, BAKE], "stage 1 (mix)"),
        ([{"kind": "mix", "until": "ready"}, BAKE], "stage 1 (mix)"),
        ([MIX, {"kind": "divide", "folds": []}, BAKE], "stage 2 (divide)"),
        ([MIX, {"kind": "bake", "heated": "half"}], "stage 2 (bake)"),
        ([MIX, {"kind": "bake", "vessel": "hat"}], "stage 2 (bake)"),
        ([MIX, {"kind": "bake", "done": {"core_c": 400}}], "stage 2 (bake)"),
        ([MIX, {"kind": "bake", "stages": [{"minutes": 0, "setpoint_c": 230}]}], "stage 2 (bake)"),
        ([{"kind": "preferment"}, MIX, BAKE], "stage 1 (preferment)"),
        ([{"kind": "levain", "which": 3}, MIX, BAKE], "stage 1 (levain)"),
    ],
)
def test_a_stage_that_cannot_be_is_named_with_its_remedy(stages: list[dict[str, Any]], names: str) -> None:
    found = refused(stages=stages)
    assert names in found.sentence, found
    assert len(found.remedy) > 10
    assert found.field.startswith("method.stages")


@pytest.mark.parametrize(
    ("change", "says"),
    [
        ({"stages": []}, "no stages"),
        ({"stages": [LEVAIN]}, "No stage mixes"),
        ({"stages": [MIX] + [{"kind": "rest"}] * 200 + [BAKE]}, "202 stages"),
        ({"stages": [MIX], "parts": [{"name": "a", "stages": WAYS[1:]}]}, "no pieces"),
        ({"stages": [MIX], "parts": [{"name": "a", "pieces": 0, "stages": WAYS[1:]}]}, "no pieces"),
        ({"stages": [MIX], "parts": [{"name": " ", "pieces": 2, "stages": WAYS[1:]}]}, "no name"),
        ({"stages": [MIX], "parts": [{"name": "a", "pieces": 2, "stages": []}]}, "no stages"),
        ({"stages": [MIX], "parts": [{"name": "a", "pieces": 1, "stages": WAYS[1:]}] * 2}, "called a"),
        ({"stages": [MIX], "parts": [{"name": "a", "pieces": 1, "stages": WAYS[1:]}], "pieces": 4}, "4 are asked for"),
        ({"stages": [{"kind": "sing"}]}, "'sing'"),
        ({"stages": [{**MIX, "id": "x"}, {**BAKE, "id": "x"}]}, "the id x"),
        ({"style": "cold_shaped"}, "Both a style and a method"),
        ({"style": "overnight", "method": None}, "no style"),
        ({"ready": {"today": "2026-11-29T12:00:00+00:00"}}, "no such part"),
        ({"ready": "2027-06-01T12:00:00+00:00"}, "days ahead"),
        ({"ready": "0001-01-01T12:00:00+00:00"}, "long ago"),
        ({"kitchen": {"sleep": ["late", "06:30"]}}, "no time of the day"),
        ({"kitchen": {"zone": "Mars/Olympus"}}, "time zone"),
        ({"kitchen": {"room_day_c": 90}}, "90"),
        ({"culture": {"vigour": 40}}, "vigour"),
        ({"scaling_weight_g": 5}, "5"),
        ({"pieces": 0}, "0"),
    ],
)
def test_a_question_that_cannot_be_is_refused_in_words(change: dict[str, Any], says: str) -> None:
    found = refused(**change)
    assert says in found.sentence, found
    assert found.remedy


def test_parts_that_want_the_past_are_planned_and_told_how_late_they_are_and_what_would_do() -> None:
    question = {**courses()["3 rounds for two days"], "ready": "2026-11-28T09:00:00+00:00"}
    found = answer(json.dumps(question))["problems"]
    assert found[0]["code"] == "past"
    assert "past" in found[0]["text"]
    change = found[0]["mend"]["change"]
    after = answer(json.dumps({**question, **change}))
    assert "past" not in [each["code"] for each in after["problems"]]


def test_a_bake_in_another_oven_is_written_as_it_was_read() -> None:
    wood = {"kind": "wood", "shelf_cm2": 6000, "fired": {"floor_c": 250, "dome_c": 290, "soaked_min": 40}}
    everything = {
        "kind": "bake", "oven": wood, "vessel": {"kind": "tin", "count": 3}, "heated": "oven_only",
        "steam": [{"kind": "water_pan", "g": 800, "at_min": -20}], "done": {"core_c": 93, "loss_fraction": 0.1},
        "stages": [
            {"minutes": 20, "setpoint_c": 230, "covered": True}, {"minutes": 9, "setpoint_c": 200, "grill": True},
        ],
    }  # fmt: skip
    method = method_of({"stages": [MIX, everything]})
    baking = method.stages[1].baking
    assert baking is not None and baking.oven is not None and baking.oven.shelf_cm2 == 6000
    assert method_of(json.loads(json.dumps(as_written(method)))) == method


@pytest.mark.parametrize("name", list(courses()))
def test_a_method_is_written_as_it_was_read(name: str) -> None:
    def same(method: Method) -> Any:
        return json.loads(json.dumps(as_written(method)))

    method = method_of(courses()[name]["method"])
    assert method_of(same(method)) == method


def test_a_proof_that_has_nothing_left_is_said_with_what_would_leave_it_something() -> None:
    far = {"kind": "bulk", "until": {"share": 0.88}}
    question = asked(COUNTRY, [LEVAIN, MIX, far, DIVIDE, SHAPE, READY, BAKE], ready="2026-11-29T18:00:00+00:00")
    found = answer(json.dumps(question))["problems"]
    short = next(each for each in found if each["code"] == "proof_too_short")
    assert short["stage"] == "proof" and short["mend"]
    after = answer(json.dumps({**question, **short["mend"]["change"]}))
    proof = next(each for each in after["stages"] if each["kind"] == "proof")
    assert proof["minutes"] >= 30
