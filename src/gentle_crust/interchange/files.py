"""Formulas as files: schema.org Recipe JSON-LD, the program's own JSON, a weigh list as CSV, and plain text."""

import csv
import io
import json
from dataclasses import replace
from typing import Any

from pydantic import ValidationError

from gentle_crust.contract.adapted import Adapted
from gentle_crust.contract.formula import FormulaBody
from gentle_crust.contract.problem import of_validation
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.measures import Habits
from gentle_crust.core.formula.model import Formula, check
from gentle_crust.core.formula.names import WATER
from gentle_crust.core.formula.scaling import Ingredient, Stage, Weighed, sum_by_name
from gentle_crust.core.messages import Message, message
from gentle_crust.core.plan.how_made import DoneThen, HowMade
from gentle_crust.interchange.recipe.whole import read
from gentle_crust.interchange.safe_csv import cell
from gentle_crust.text.render import say

FORMATS = {
    "json": ("application/json", "json"),
    "recipe": ("application/ld+json", "jsonld"),
    "csv": ("text/csv; charset=utf-8", "csv"),
    "text": ("text/plain; charset=utf-8", "txt"),
}
TELLS_METHOD = ("recipe", "text")
"""Formats that say in words how it is made; the program's own carries the method itself."""
EXTENSION = "gentle-crust-formula"
"""Name of the property of a Recipe that carries the formula whole."""
LARGEST = 500_000
_FORMULA: Adapted[Formula] = Adapted(Formula)


def export(formula: Formula, weighed: Weighed, form: str, made: HowMade | None = None) -> str:
    """A formula as text in one of FORMATS; ``made``: how it is made, for those that tell it in words."""
    if form in TELLS_METHOD:
        return {"recipe": _recipe, "text": _text}[form](formula, weighed, made)
    return {"json": _own, "csv": _csv}[form](formula, weighed)


def _plain(formula: Formula) -> dict[str, Any]:
    plain: dict[str, Any] = _FORMULA.write(formula)
    return plain


def _own(formula: Formula, _weighed: Weighed) -> str:
    return json.dumps(_plain(formula), indent=2, ensure_ascii=False) + "\n"


AS_COOKS_DO = ("flour", "water", "yeast", "salt", "extra")
"""The order in which a cook expects what a bread is made of; within each the heaviest first."""


def _ingredients(formula: Formula, weighed: Weighed) -> list[str]:
    """What is bought and weighed in all: preferments counted with the rest, the culture that seeds a levain named."""
    lines = [line for stage in weighed.stages for line in stage.lines]
    role = {WATER if line.role == "water" else line.name: line.role for line in lines}
    total = sum_by_name(lines).items()
    ordered = sorted(total, key=lambda each: (AS_COOKS_DO.index(role[each[0]]), -each[1]))
    found = [f"{amount(grams)} g {say(name)}" for name, grams in ordered]
    if any(one.kind == "levain" for one in formula.preferments):
        place = sum(role[name] in ("flour", "water") for name, _ in ordered)
        found.insert(place, str(say(message("file-culture"))))
    return found


def amount(grams: float) -> str:
    """Grams with as many digits as a scale that suits them shows: 712, 35.5, 1.75, 0.12, 0.048."""
    if grams >= 100:
        return f"{grams:.0f}"
    if grams >= 10:
        return f"{grams:.1f}"
    return f"{grams:.2f}" if grams >= 0.1 else f"{grams:.2g}"


def share(percent: float) -> str:
    """A percentage of flour: small shares with more digits, for a tenth of yeast is no trifle."""
    return f"{percent:.1f}" if percent >= 1 else f"{percent:.2f}" if percent >= 0.1 else f"{percent:.2g}"


def _duration(minutes: float) -> str:
    """Minutes as schema.org writes a duration."""
    hours, rest = divmod(round(minutes), 60)
    return f"PT{hours}H{rest}M"


def _recipe(formula: Formula, weighed: Weighed, made: HowMade | None) -> str:
    document: dict[str, Any] = {
        "@context": "https://schema.org",
        "@type": "Recipe",
        "name": formula.name,
        "description": formula.note,
        "recipeCategory": "Bread",
        "recipeYield": f"{formula.pieces} x {formula.scaling_weight_g:g} g",
        "recipeIngredient": _ingredients(formula, weighed),
        **({} if made is None else _method(formula, made)),
        "additionalProperty": {"@type": "PropertyValue", "propertyID": EXTENSION, "value": json.dumps(_plain(formula))},
    }
    return json.dumps(document, indent=2, ensure_ascii=False) + "\n"


def _method(formula: Formula, made: HowMade) -> dict[str, Any]:
    """How it is made, as schema.org says it."""
    keywords = [str(say(message(f"shape-{formula.shape}")))]
    keywords += [str(say(message(f"file-keyword-{formula.leaven}")))]
    return {
        "prepTime": _duration(made.all_min - made.oven_min),
        "cookTime": _duration(made.oven_min),
        "totalTime": _duration(made.all_min),
        "performTime": _duration(made.hands_min),
        "keywords": ", ".join(keywords),
        "tool": [made.vessel] if made.vessel else [],
        "recipeInstructions": [
            {"@type": "HowToStep", "name": _title(each), "text": str(say(each.text)).replace("\n", " ")}
            for each in made.steps
        ],
    }


def _title(done: DoneThen) -> str:
    said = str(say(done.title))
    return said[:1].upper() + said[1:]


def _csv(formula: Formula, weighed: Weighed) -> str:
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(["stage", "ingredient", "grams", "percent_of_all_flour", "percent_as_mixed"])
    for stage in weighed.stages:
        for line in stage.lines:
            values = (line.g, line.percent, line.mixed_percent)
            figures = [f"{value:.2f}" if value >= 1 else f"{value:.4f}" for value in values]
            writer.writerow([cell(stage.kind), cell(str(say(line.name))), *figures])
    writer.writerow(["all", cell(formula.name), f"{weighed.dough_g:.2f}", "", ""])
    return out.getvalue()


def _text(formula: Formula, weighed: Weighed, made: HowMade | None) -> str:
    shape = say(message(f"shape-{formula.shape}"))
    lines = [formula.name, formula.note, f"{formula.pieces} x {formula.scaling_weight_g:g} g, {shape}", ""]
    for stage in weighed.stages:
        lines.append(str(say(_headed(stage))))
        lines += [f"{amount(line.g):>8} g  {say(line.name)}  {_of_flour(line)}" for line in stage.lines]
        lines.append("")
    lines.append(str(say(message("file-percentages"))))
    for each in () if made is None else made.steps:
        done = message("file-step", minutes=round(each.after_min), title=_title(each), text=each.text)
        lines += ["", str(say(done)).replace("\n", " ")]
    return "\n".join(lines) + "\n"


def _headed(stage: Stage) -> Message:
    """What stands over a stage: of a soaker or a scald that it is one, and its name."""
    if stage.kind in ("soaker", "scald"):
        return message(f"file-{stage.kind}", name=stage.title)
    return stage.title


def _of_flour(line: Ingredient) -> str:
    return str(say(message("file-of-flour", share=share(line.percent))))


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
        return _read_whole(text, "")
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
    return _read_whole(json.dumps(recipe), name[:80] if isinstance(name, str) else "")


def _read_whole(text: str, name: str) -> Formula:
    """The formula of a written recipe with the method that it tells. Raises CraftError if none can be made of it."""
    recipe = read(text, Habits(), name)
    if recipe.formula is None:
        raise CraftError("lines", "interchange-recipe-no-flour")
    check(recipe.formula)
    told = any(sentence.stage for sentence in recipe.sentences)
    return recipe.formula if told else replace(recipe.formula, method=None)


def _types(node: dict[str, Any]) -> list[str]:
    kind = node.get("@type")
    return (
        [each for each in kind if isinstance(each, str)]
        if isinstance(kind, list)
        else [kind]
        if isinstance(kind, str)
        else []
    )
