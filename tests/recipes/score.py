"""How right a reading of a recipe is: its amounts, its stages, its course and the facts of its loaves."""

from dataclasses import dataclass

from gentle_crust.contract.recipe import Recipe
from gentle_crust.interchange.recipe.whole import read
from tests.recipes.case import Case
from tests.recipes.cups import CUPS
from tests.recipes.modern import MODERN
from tests.recipes.spoken import SPOKEN
from tests.recipes.staged import STAGED
from tests.recipes.told import same, told

CLOSE = 0.10
"""An amount is right if its likely weight is as near as this to the true one."""


@dataclass(frozen=True)
class Score:
    """Of one recipe: lines right, truths inside their bands, lines in the right stage, all lines; the course."""

    name: str
    lines: int
    right: int
    inside: int
    staged: int
    silent: tuple[str, ...]
    course: bool | None
    facts: tuple[str, ...]
    wrong: tuple[str, ...]


TUNED = [*MODERN, *CUPS, *SPOKEN, *STAGED]
LEAST = (0.98, 1.0, 0.95, 0.85)
"""Shares that must be reached: amounts right, truths in their bands, stages right, courses right."""


def rates(found: list[Score]) -> tuple[float, float, float, float]:
    """Of several recipes: shares of lines right, inside their bands, in their stage; of courses right."""
    lines = sum(each.lines for each in found)
    courses = [each.course for each in found if each.course is not None]
    return (
        sum(each.right for each in found) / lines,
        sum(each.inside for each in found) / lines,
        sum(each.staged for each in found) / lines,
        sum(courses) / len(courses),
    )


def score(case: Case) -> Score:
    """Read a case and hold what was read against what it says."""
    recipe = read(case.text)
    found = _found(recipe)
    asked = {question.item for question in recipe.questions}
    right = inside = staged = 0
    silent, wrong = [], []
    for (stage, kind), wanted in case.lines.items():
        got = found.get((stage, kind))
        if got is None:
            elsewhere = [key for key in found if key[1] == kind]
            wrong.append(f"{stage} {kind} {wanted}: missing, {elsewhere}")
            silent.append(f"{stage} {kind}")
            continue
        staged += 1
        low, likely, high, places = got
        if wanted is None:
            right, inside = right + 1, inside + 1
            continue
        near = abs(likely - wanted) <= max(CLOSE * wanted, 0.02)
        within = low - 0.02 * wanted - 0.02 <= wanted <= high + 0.02 * wanted + 0.02
        right, inside = right + near, inside + within
        if not near or not within:
            wrong.append(f"{stage} {kind} {wanted}: {low:.1f}-{likely:.1f}-{high:.1f}")
        if not near and not within and not places & asked:
            silent.append(f"{stage} {kind}")
    for key in found.keys() - case.lines.keys():
        wrong.append(f"{key}: not in the recipe, {found[key][1]:.1f}")
        silent.append(" ".join(key))
    course = None if case.course is None else recipe.method is not None and same(case.course, told(recipe.method))
    facts = tuple(
        f"{name} {getattr(recipe.formula, name)} for {value}"
        for name, value in case.facts.items()
        if getattr(recipe.formula, name) != value
    )
    return Score(case.name, len(case.lines), right, inside, staged, tuple(silent), course, facts, tuple(wrong))


def _found(recipe: Recipe) -> dict[tuple[str, str], tuple[float, float, float, set[int]]]:
    """Grams of each kind in each stage, with the places of their items."""
    found: dict[tuple[str, str], tuple[float, float, float, set[int]]] = {}
    for place, item in enumerate(recipe.items):
        if item.role == "of_stage":
            continue
        stage = "aside" if item.role == "aside" else item.stage
        low, likely, high, places = found.get((stage, item.kind), (0.0, 0.0, 0.0, set()))
        g = item.g
        if g.high > 0:
            found[stage, item.kind] = (low + g.low, likely + g.likely, high + g.high, places | {place})
    return found
