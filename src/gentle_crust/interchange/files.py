"""Formulas as files: schema.org Recipe JSON-LD, the program's own JSON, a weigh list as CSV, and plain text."""

import csv
import io
import json
from typing import Any

from pydantic import ValidationError

from gentle_crust.contract.adapted import Adapted
from gentle_crust.contract.formula import FormulaBody
from gentle_crust.contract.problem import of_validation
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.measures import Habits
from gentle_crust.core.formula.model import Formula, check
from gentle_crust.core.formula.scaling import Weighed, sum_by_name
from gentle_crust.interchange.recipe_text import formula_of, read_recipe
from gentle_crust.interchange.safe_csv import cell

FORMATS = {
    "json": ("application/json", "json"),
    "recipe": ("application/ld+json", "jsonld"),
    "csv": ("text/csv; charset=utf-8", "csv"),
    "text": ("text/plain; charset=utf-8", "txt"),
}
EXTENSION = "gentle-crust-formula"
"""Name of the property of a Recipe that carries the formula whole."""
LARGEST = 500_000
_FORMULA: Adapted[Formula] = Adapted(Formula)


def export(formula: Formula, weighed: Weighed, form: str) -> str:
    """A formula as text in one of FORMATS."""
    return {"json": _own, "recipe": _recipe, "csv": _csv, "text": _text}[form](formula, weighed)


def _plain(formula: Formula) -> dict[str, Any]:
    plain: dict[str, Any] = _FORMULA.write(formula)
    return plain


def _own(formula: Formula, _weighed: Weighed) -> str:
    return json.dumps(_plain(formula), indent=2, ensure_ascii=False) + "\n"


def _ingredients(weighed: Weighed) -> list[str]:
    """What is bought and weighed in all: preferments counted with the rest."""
    total = sum_by_name(line for stage in weighed.stages for line in stage.lines)
    return [f"{grams:.1f} g {name}" for name, grams in total.items()]


def _recipe(formula: Formula, weighed: Weighed) -> str:
    document = {
        "@context": "https://schema.org",
        "@type": "Recipe",
        "name": formula.name,
        "description": formula.note,
        "recipeCategory": "Bread",
        "recipeYield": f"{formula.pieces} x {formula.scaling_weight_g:g} g",
        "recipeIngredient": _ingredients(weighed),
        "additionalProperty": {"@type": "PropertyValue", "propertyID": EXTENSION, "value": json.dumps(_plain(formula))},
    }
    return json.dumps(document, indent=2, ensure_ascii=False) + "\n"


def _csv(formula: Formula, weighed: Weighed) -> str:
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(["stage", "ingredient", "grams", "percent_of_all_flour", "percent_as_mixed"])
    for stage in weighed.stages:
        for line in stage.lines:
            figures = [f"{value:.2f}" for value in (line.g, line.percent, line.mixed_percent)]
            writer.writerow([cell(stage.kind), cell(line.name), *figures])
    writer.writerow(["all", cell(formula.name), f"{weighed.dough_g:.2f}", "", ""])
    return out.getvalue()


def _text(formula: Formula, weighed: Weighed) -> str:
    lines = [formula.name, formula.note, f"{formula.pieces} x {formula.scaling_weight_g:g} g", ""]
    for stage in weighed.stages:
        lines.append(stage.title)
        lines += [f"{line.g:8.1f} g  {line.name}  ({line.percent:.1f} % of all flour)" for line in stage.lines]
        lines.append("")
    lines.append("Percentages count the preferments' flour.")
    return "\n".join(lines) + "\n"


def _decoded(data: bytes) -> str:
    if len(data) > LARGEST:
        raise CraftError("file", "interchange-formula-file-size")
    encoding = "utf-16" if data[:2] in (b"\xff\xfe", b"\xfe\xff") else "utf-8-sig"
    try:
        text = data.decode(encoding)
    except UnicodeDecodeError as error:
        raise CraftError("file", "interchange-formula-not-utf-8") from error
    if "\x00" in text or not text.strip():
        raise CraftError("file", "interchange-formula-file-empty")
    return text


def bring_in(data: bytes) -> Formula:
    """A formula from a file's bytes: own JSON, a schema.org Recipe, or a recipe's plain lines.

    Raises CraftError naming ``file`` for anything else; nothing is kept either way.
    """
    text = _decoded(data)
    if text.lstrip()[:1] not in ("{", "["):
        return formula_of(read_recipe(tuple(text.splitlines()), Habits()), "")
    try:
        document = json.loads(text)
    except (ValueError, RecursionError) as error:
        raise CraftError("file", "interchange-formula-file-damaged") from error
    if isinstance(document, dict) and ("@type" in document or "@graph" in document):
        return _from_recipe(document)
    return _from_own(document)


def _from_own(document: Any) -> Formula:
    try:
        formula = FormulaBody.model_validate(document).formula()
    except (ValidationError, RecursionError) as error:
        first = of_validation(error)[0].sentence if isinstance(error, ValidationError) else "It is nested too deep."
        raise CraftError("file", "interchange-not-a-formula", sentence=first) from error
    check(formula)
    return formula


def _from_recipe(document: dict[str, Any]) -> Formula:
    graph = document.get("@graph", [document])
    recipes = (
        [each for each in graph if isinstance(each, dict) and "Recipe" in _types(each)]
        if isinstance(graph, list)
        else []
    )
    if not recipes:
        raise CraftError("file", "interchange-no-recipe")
    recipe = recipes[0]
    carried = recipe.get("additionalProperty")
    for extra in carried if isinstance(carried, list) else [carried]:
        if isinstance(extra, dict) and extra.get("propertyID") == EXTENSION and isinstance(extra.get("value"), str):
            try:
                return _from_own(json.loads(extra["value"]))
            except (ValueError, RecursionError) as error:
                if isinstance(error, CraftError):
                    raise
                raise CraftError("file", "interchange-carried-formula-damaged") from error
    lines = recipe.get("recipeIngredient")
    if not isinstance(lines, list) or not all(isinstance(line, str) for line in lines):
        raise CraftError("file", "interchange-recipe-no-ingredients")
    name = recipe.get("name")
    return formula_of(read_recipe(tuple(lines), Habits()), name[:80] if isinstance(name, str) else "")


def _types(node: dict[str, Any]) -> list[str]:
    kind = node.get("@type")
    return (
        [each for each in kind if isinstance(each, str)]
        if isinstance(kind, list)
        else [kind]
        if isinstance(kind, str)
        else []
    )
