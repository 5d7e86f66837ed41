"""What is in the bread, by weight, with the allergens that its names tell of, and what it costs."""

import re
from collections.abc import Mapping
from dataclasses import dataclass

from gentle_crust.core.formula.model import Formula
from gentle_crust.core.formula.scaling import Weighed, sum_by_name
from gentle_crust.core.messages import Message, message
from gentle_crust.core.tables import rows

GLUTEN_KINDS = {
    "strong_white": "gluten (wheat)",
    "very_strong_white": "gluten (wheat)",
    "plain_white": "gluten (wheat)",
    "whole_wheat": "gluten (wheat)",
    "spelt": "gluten (wheat)",
    "durum": "gluten (wheat)",
    "rye": "gluten (rye)",
    "whole_rye": "gluten (rye)",
}
"""Flours of the table that hold gluten; of maize and other grains only the name can tell."""
FREE = ("Water",)
"""What costs nothing worth counting."""


@dataclass(frozen=True)
class Ingredient:
    """One name of the list: its grams in the batch, and its allergen, empty if its name tells of none."""

    name: str
    g: float
    allergen: str


@dataclass(frozen=True)
class Label:
    """Ingredients by descending weight, allergens in that order, and what must be said beside it."""

    ingredients: tuple[Ingredient, ...]
    allergens: tuple[str, ...]
    text: str
    rules: Message


@dataclass(frozen=True)
class Cost:
    """What a piece's ingredients cost; ``without`` names those of which no price is known."""

    per_piece: float
    batch: float
    without: tuple[str, ...]


def allergen_of(name: str) -> str:
    """The allergen that a name tells of, empty if none is known."""
    for row in rows("allergens"):
        if re.search(rf"\b(?:{row['words']})", name, re.IGNORECASE):
            return row["allergen"]
    return ""


def label(formula: Formula, weighed: Weighed) -> Label:
    """Ingredients as weighed, heaviest first; flours name the grain, and the culture counts as flour and water."""
    gluten = {share.name: GLUTEN_KINDS.get(share.kind, "") for share in formula.flours}
    total = sum_by_name(line for stage in weighed.stages for line in stage.lines)
    by_weight = sorted(total.items(), key=lambda item: -item[1])
    found = tuple(Ingredient(name, g, gluten.get(name) or allergen_of(name)) for name, g in by_weight)
    allergens = tuple(dict.fromkeys(each.allergen for each in found if each.allergen))
    words = [f"{each.name.lower()}{f' [{each.allergen}]' if each.allergen else ''}" for each in found]
    if any(one.wild for one in formula.preferments):
        words.append("sourdough culture")
    text = ", ".join(words)
    return Label(found, allergens, f"{text[0].upper()}{text[1:]}.", message("label-local-rules"))


def cost(weighed: Weighed, pieces: int, price_per_kg: Mapping[str, float]) -> Cost | None:
    """What the ingredients cost by name; None if no price at all is known."""
    total = sum_by_name(line for stage in weighed.stages for line in stage.lines)
    known = {name: g / 1000 * price_per_kg[name] for name, g in total.items() if name in price_per_kg}
    if not known:
        return None
    without = tuple(name for name in total if name not in price_per_kg and name not in FREE)
    batch = sum(known.values())
    return Cost(batch / pieces, batch, without)
