"""What the planner of one process answered, before there were courses: the same doughs as courses agree with it.

Bulk and proof of a room course come within a quarter of an hour and .02 of a share. A cold one may be longer in its
bulk where the planner let the shaped dough wait in the room before the fridge, which a course does in its bulk.
"""

import json
from datetime import datetime
from pathlib import Path
from typing import Any

import pytest

from gentle_crust.contract.formula import FormulaBody
from gentle_crust.core.clock import Nights, Room
from gentle_crust.core.course.ask import Asked, Kitchen
from gentle_crust.core.course.plan import plan
from gentle_crust.core.course.standing import Run, share_at_load
from gentle_crust.core.course.styles import method_for, style_of
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.oven.kit import Steam
from tests.core.test_course_kitchens import BAKERY

ROWS: list[dict[str, Any]] = json.loads(
    (Path(__file__).parents[1] / "data/answers/plans-before-courses.json").read_text()
)
NOW = datetime.fromisoformat("2026-11-28T06:30:00+00:00")
VESSELS = {
    "boule": "lidded_cast_iron",
    "batard": "lidded_cast_iron",
    "baguette": "stone",
    "slipper": "tray",
    "pan_loaf": "tin",
}
AWAKE = [row for row in ROWS if not row["problems"]]


def minutes(row: dict[str, Any], start: str, end: str) -> float:
    """Minutes between two times of a row."""
    return (datetime.fromisoformat(row[end]) - datetime.fromisoformat(row[start])).total_seconds() / 60


def as_course(row: dict[str, Any]) -> tuple[dict[str, Run], float]:
    """The same wish as a course: its stages by id, and its share at the oven."""
    formula = FormulaBody.model_validate(BAKERY[row["formula"]]).formula()
    kind = VESSELS[formula.shape]
    vessel = Vessel(kind, kind, kind, 3 if kind == "tin" else 2)
    kitchen = Kitchen(
        "Europe/Lisbon", Room(22, 19, 4), Nights(22.5, 6.5), Oven("electric", 255.0), (vessel,),
        (Steam("hot_pan"), Steam("mist_loaf")),
    )  # fmt: skip
    method = method_for(style_of("room_steady" if row["proof"] == "room" else "cold_shaped"), formula)
    asked = Asked(
        formula, method, kitchen, formula.pieces, formula.scaling_weight_g, formula.dough_c, NOW,
        (("", datetime.fromisoformat(row["ready"])),),
    )  # fmt: skip
    solved = plan(asked).solved
    share = share_at_load(solved.parts[0].path.batch, solved.runs)
    assert share is not None
    return {run.filled.id: run for run in solved.runs}, share


def named(row: dict[str, Any]) -> str:
    """A row by its dough and its hour."""
    return f"{row['formula']}-{row['proof']}-{row['ready'][11:13]}"


@pytest.mark.parametrize("row", [row for row in AWAKE if row["proof"] == "room"], ids=named)
def test_a_room_course_agrees_with_what_was_planned_before(row: dict[str, Any]) -> None:
    runs, share = as_course(row)
    bulk, proof = 60 * (runs["bulk"].end - runs["mix"].start), 60 * runs["proof"].hours
    assert bulk == pytest.approx(minutes(row, "mix", "bulk_end"), abs=10)
    assert proof == pytest.approx(minutes(row, "proof_start", "load"), abs=15)
    assert share == pytest.approx(row["share"], abs=0.02)


@pytest.mark.parametrize("row", [row for row in AWAKE if row["proof"] == "cold"], ids=named)
def test_a_cold_course_meets_the_oven_as_what_was_planned_before(row: dict[str, Any]) -> None:
    runs, share = as_course(row)
    assert share == pytest.approx(row["share"], abs=0.02)
    assert 8 * 60 - 1 <= 60 * runs["proof"].hours <= 18 * 60 + 1
    waited = minutes(row, "proof_start", "load") - 60 * runs["proof"].hours
    assert abs(waited) <= 4 * 60, "another length of the fridge, but the same night"
