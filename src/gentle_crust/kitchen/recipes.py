"""A recipe that was read, held against this kitchen: how its stages go here, and how long they take."""

from dataclasses import dataclass, replace
from typing import Any

from gentle_crust.contract.recipe import Recipe
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.plan.stages_shown import StageShown
from gentle_crust.kitchen.methods import method_view
from gentle_crust.kitchen.work import Work

RISES = ("bulk", "proof")
APART = 0.15
"""Share by which a time may differ before it is worth saying."""


@dataclass(frozen=True)
class SaidAndHere:
    """Minutes that a recipe says a stage takes, least and most, and how long it takes in this kitchen."""

    stage: str
    said_min: tuple[float, float]
    here_min: float


@dataclass(frozen=True)
class RecipeHere:
    """A recipe's stages as they go in this kitchen, and the times that differ from what it says."""

    stages: tuple[StageShown, ...]
    times: tuple[SaidAndHere, ...]


def recipe_here(work: Work, recipe: Recipe) -> RecipeHere:
    """Hold a recipe against this kitchen; nothing, if no bread can be made of it yet."""
    formula = recipe.formula
    if formula is None or formula.method is None:
        return RecipeHere((), ())
    try:
        stages = method_view(work, formula).stages
    except CraftError:
        return RecipeHere((), ())
    return RecipeHere(stages, _times(work, recipe, formula))


def _times(work: Work, recipe: Recipe, formula: Formula) -> tuple[SaidAndHere, ...]:
    """Of each rise in the room with a stated time: how long until it is ready here."""
    said = _said(recipe)
    method: dict[str, Any] = formula.method or {}
    free = {"stages": [_until_ready(stage, said) for stage in method["stages"]]}
    if not said or free == method:
        return ()
    try:
        here = {each.id: each.minutes for each in method_view(work, replace(formula, method=free)).stages}
    except CraftError:
        return ()
    found = []
    for stage, (low, high) in said.items():
        minutes = here.get(stage)
        if minutes is not None and not low * (1 - APART) <= minutes <= high * (1 + APART):
            found.append(SaidAndHere(stage, (low, high), minutes))
    return tuple(found)


def _said(recipe: Recipe) -> dict[str, tuple[float, float]]:
    """Minutes that are stated, by the id of their stage."""
    said: dict[str, tuple[float, float]] = {}
    took = {each.stage: each.took for each in recipe.sentences if each.stage is not None}
    for stage in (recipe.method or {}).get("stages", []):
        if stage["kind"] not in RISES or stage.get("place") == "fridge":
            continue
        until = stage.get("until")
        minutes = until.get("minutes") if isinstance(until, dict) else None
        minutes = minutes or took.get(stage["id"], {}).get("minutes")
        if minutes:
            said[stage["id"]] = (minutes, minutes) if isinstance(minutes, (int, float)) else (minutes[0], minutes[1])
    return said


def _until_ready(stage: dict[str, Any], said: dict[str, tuple[float, float]]) -> dict[str, Any]:
    """A stage that goes on until it is ready, and not for the minutes that were stated."""
    until = stage.get("until")
    timed = isinstance(until, dict) and "minutes" in until
    return {**stage, "until": "ready"} if stage["id"] in said and timed else stage
