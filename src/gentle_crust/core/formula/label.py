"""What is in the bread, by weight, with the allergens that its names tell of, and what it costs."""

import re
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache

from gentle_crust.core.formula.model import YEAST_AS_INSTANT, Formula
from gentle_crust.core.formula.names import PREFERMENT_YEAST, SALT, WATER, flour_name, key_of, own_name, yeast_name
from gentle_crust.core.formula.scaling import Weighed, sum_by_name
from gentle_crust.core.messages import NOTHING, Message, message, named
from gentle_crust.core.tables import rows

GLUTEN_KINDS = {
    "strong_white": "wheat",
    "very_strong_white": "wheat",
    "plain_white": "wheat",
    "whole_wheat": "wheat",
    "spelt": "wheat",
    "durum": "wheat",
    "rye": "rye",
    "whole_rye": "rye",
}
"""Flours of the table that hold gluten, with its grain; of maize and other grains only the name can tell."""
FREE = (WATER,)
"""What costs nothing worth counting."""


@dataclass(frozen=True)
class Ingredient:
    """One name of the list: its grams in the batch, and its allergen, nothing if its name tells of none."""

    name: Message
    g: float
    allergen: Message


@dataclass(frozen=True)
class Label:
    """Ingredients by descending weight, allergens in that order, and what must be said beside it."""

    ingredients: tuple[Ingredient, ...]
    allergens: tuple[Message, ...]
    text: Message
    rules: Message


@dataclass(frozen=True)
class Cost:
    """What a piece's ingredients cost; ``without`` names those of which no price is known."""

    per_piece: float
    batch: float
    without: tuple[Message, ...]


def allergen_of(name: str) -> Message:
    """The allergen that a baker's own name tells of, nothing if none is known."""
    for row in rows("allergens"):
        if re.search(rf"\b(?:{row['words']})", name, re.IGNORECASE):
            return message(f"allergen-{row['allergen']}")
    return NOTHING


def label(formula: Formula, weighed: Weighed) -> Label:
    """Ingredients as weighed, heaviest first; flours name the grain, and the culture counts as flour and water."""
    gluten = {
        share.name: message(f"allergen-{GLUTEN_KINDS[share.kind]}")
        for share in formula.flours
        if share.kind in GLUTEN_KINDS
    }
    total = sum_by_name(line for stage in weighed.stages for line in stage.lines)
    by_weight = sorted(total.items(), key=lambda item: -item[1])
    found = tuple(Ingredient(name, g, gluten.get(name) or allergen_of(own_name(name))) for name, g in by_weight)
    allergens = tuple(dict.fromkeys(each.allergen for each in found if each.allergen))
    words = [
        message("label-with-allergen", name=each.name, allergen=each.allergen)
        if each.allergen
        else message("label-name", name=each.name)
        for each in found
    ]
    if any(one.wild for one in formula.preferments):
        words.append(message("label-culture"))
    text = words[-1]
    for each in reversed(words[:-1]):
        text = message("label-then", first=each, others=text)
    return Label(found, allergens, message("label-text", text=text), message("label-local-rules"))


@cache
def _program_names() -> dict[str, Message]:
    """What the program itself calls ingredients, by their keys."""
    kinds = [*map(yeast_name, YEAST_AS_INSTANT), *(flour_name(row["kind"]) for row in rows("flours"))]
    return {key_of(name): name for name in (SALT, WATER, PREFERMENT_YEAST, *kinds)}


def called(key: str) -> Message:
    """What the ingredient of a key (see ``key_of``) is called: as the program says, else as the baker named it."""
    return _program_names().get(key, named(key))


def cost(weighed: Weighed, pieces: int, price_per_kg: Mapping[str, float]) -> Cost | None:
    """What the ingredients cost, with prices by their keys (see ``key_of``); None if no price at all is known."""
    total = sum_by_name(line for stage in weighed.stages for line in stage.lines)
    known = {name: g / 1000 * price_per_kg[key_of(name)] for name, g in total.items() if key_of(name) in price_per_kg}
    if not known:
        return None
    without = tuple(name for name in total if name not in known and name not in FREE)
    batch = sum(known.values())
    return Cost(batch / pieces, batch, without)
