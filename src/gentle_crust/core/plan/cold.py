"""When doughs of a plan stand in the fridge, and how much room they take there."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime
from typing import Protocol

from gentle_crust.core.course.taken import litres_of
from gentle_crust.core.plan.shown import Plan

INTO, OUT_OF = "chill", ("out_of_fridge", "divide", "preshape", "shape", "knock_back", "load")
"""Steps that put a dough into the fridge, and those that show it is out again."""


class Timed(Protocol):
    """A step as it is planned, or as it stands at the bench."""

    @property
    def kind(self) -> str: ...
    @property
    def at(self) -> datetime: ...
    @property
    def part(self) -> str: ...


@dataclass(frozen=True)
class ColdStay:
    """A dough, or a part of it, in the fridge."""

    start: datetime
    end: datetime
    litres: float


def cold_stays(plan: Plan, steps: Iterable[Timed]) -> tuple[ColdStay, ...]:
    """Each time that a dough stands in the fridge, by its steps; the whole dough before it is divided."""
    in_order = sorted((step for step in steps if step.kind in (INTO, *OUT_OF)), key=lambda step: step.at)
    found = []
    for place, step in enumerate(in_order):
        if step.kind != INTO:
            continue
        later = in_order[place + 1 :]
        end = next((each.at for each in later if each.kind != INTO and each.part == step.part), None)
        divided = any(each.kind == "divide" for each in in_order[:place])
        if end is not None:
            grams = plan.totals.dough_g * (_share(plan, step.part) if divided else 1.0)
            found.append(ColdStay(step.at, end, litres_of(grams)))
    return tuple(found)


def _share(plan: Plan, part: str) -> float:
    """Share of the dough that a part has."""
    own = next((each.pieces for each in plan.outs if each.name == part), None)
    return 1.0 if own is None else own / sum(each.pieces for each in plan.outs)
