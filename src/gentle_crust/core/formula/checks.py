"""Oddities of a formula, each a sentence with its reason and a remedy. None of them forbids anything."""

from dataclasses import dataclass

from gentle_crust.core.formula.feel import feel
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.formula.scaling import Ingredient, Weighed

USUAL_SALT = (1.5, 2.5)
STIFF_BIGA_PERCENT = 70.0
MOST_PREFERMENT_PERCENT = 50.0
MOST_YEAST_PERCENT = 2.0
SCALE_TELLS_G = 10.0
BATTER_OVER, STIFF_UNDER = 22.0, -12.0
"""Hydration this far over or under what the flours carry is hardly a dough (practice)."""
TEASPOON_G = {"yeast": 3.1, "salt": 5.5}
"""Instant yeast and fine sea salt in a level teaspoon (practice)."""


@dataclass(frozen=True)
class Check:
    """One oddity: which field, what is odd and why, and what to do about it."""

    code: str
    field: str
    sentence: str
    remedy: str


def checks(formula: Formula, weighed: Weighed) -> tuple[Check, ...]:
    """Everything odd about a formula that can be baked all the same."""
    small = [
        _too_small(stage.kind, line)
        for stage in weighed.stages
        for line in stage.lines
        if line.role in TEASPOON_G and 0 < line.g < SCALE_TELLS_G
    ]
    return (*_salt(formula), *_water(formula), *_leaven(formula), *small)


def _salt(formula: Formula) -> list[Check]:
    salt, usual = formula.salt_percent, "Usual is 1.8 to 2.2 %"
    if salt < USUAL_SALT[0]:
        why = f"Salt is {salt:g} %: flat bread, and a fast, slack dough."
        return [Check("salt_low", "salt_percent", why, f"{usual}.")]
    if salt > USUAL_SALT[1]:
        why = f"Salt is {salt:g} %: it will taste of it, and the dough is slow."
        return [Check("salt_high", "salt_percent", why, f"{usual}; was it a spoon of another salt?")]
    return []


def _water(formula: Formula) -> list[Check]:
    carries = feel(formula).capacity_percent
    over = formula.hydration_percent - carries
    these = f"These flours carry about {carries:.0f} % water: at {formula.hydration_percent:g} %"
    if over > BATTER_OVER:
        remedy = "Bake it in a tin or tray, or take less water."
        return [Check("batter", "hydration_percent", f"{these} this is a batter.", remedy)]
    if over < STIFF_UNDER:
        remedy = "Take more water, or a machine made for stiff dough."
        return [Check("very_stiff", "hydration_percent", f"{these} this hardly comes together.", remedy)]
    return []


def _leaven(formula: Formula) -> list[Check]:
    found = []
    one = formula.preferment
    if one and one.flour_percent > MOST_PREFERMENT_PERCENT:
        why = f"{one.flour_percent:g} % of the flour ferments first: over half makes a tired, sour dough."
        found.append(Check("much_preferment", "preferment.flour_percent", why, "Usual is 5 to 40 %."))
    if one and one.kind == "biga" and one.hydration_percent > STIFF_BIGA_PERCENT:
        why = f"A biga is stiff, but at {one.hydration_percent:g} % water this is a batter."
        found.append(
            Check("not_stiff", "preferment.hydration_percent", why, "Give it 50 to 65 %, or call it a poolish.")
        )
    if formula.instant_yeast_percent > MOST_YEAST_PERCENT:
        why = f"{formula.instant_yeast_percent:g} % instant yeast doubles a warm dough in under an hour."
        found.append(Check("much_yeast", "instant_yeast_percent", why, "0.2 to 1 % is plenty for lean bread."))
    return found


def _too_small(stage: str, line: Ingredient) -> Check:
    """A mass that a kitchen scale of 1 g cannot resolve, with the spoon, and for yeast the dilution, instead."""
    how = f"About {line.g / TEASPOON_G[line.role]:.2g} teaspoon"
    if line.role == "yeast" and line.g < 1:
        how += f"; or stir 1 g into 100 g of the water and use {100 * line.g:.0f} g of it"
    why = f"{line.name}, {line.g:.2g} g: a scale of 1 g cannot be trusted below 10 g."
    return Check("too_small", f"{stage}.{line.kind}", why, f"{how}.")
