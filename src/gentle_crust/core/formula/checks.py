"""Oddities of a formula, each a sentence with its reason and a remedy. None of them forbids anything."""

from dataclasses import dataclass

from gentle_crust.core.fermentation.bulk_time import BulkTime, bulk_time
from gentle_crust.core.fermentation.uncertainty import ONE
from gentle_crust.core.formula.feel import feel
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.formula.scaling import Ingredient, Weighed

USUAL_SALT = (1.5, 2.5)
STIFF_BIGA_PERCENT = 70.0
MOST_PREFERMENT_PERCENT = 50.0
MOST_YEAST_PERCENT = 2.0
TRUSTED_STEPS = 10
"""A scale is trusted from this many of its own steps up (practice)."""
BATTER_OVER, STIFF_UNDER = 22.0, -12.0
"""Hydration this far over or under what the flours carry is hardly a dough (practice)."""
TEASPOON_G = {"instant": 3.1, "active_dry": 3.1, "salt": 5.5, "sugar": 4.2, "honey": 7.0, "oil": 4.5, "malt": 3.0}
"""A level teaspoon of each, the salt fine sea salt (practice)."""
LEAST_SPOON = 0.12
"""Less of a teaspoon than an eighth cannot be measured."""
QUICKEST_BULK_H, SLOWEST_BULK_H = 1.0, 16.0
TIN_G_PER_ML = (0.40, 0.55)
"""Lean dough in a tin, g per ml (practice)."""
DOUGH_G_PER_ML = 1.16
ROOM_OVER_DOUGH = 1.15
"""A bowl wants this much more than the risen dough (practice)."""


@dataclass(frozen=True)
class Equipment:
    """What the kitchen weighs and works with; None where it is not known."""

    scale_g: float = 1.0
    """The scale's step."""
    bowl_l: float | None = None
    mixer_dough_g: float | None = None
    """The most dough that the mixer's maker allows."""
    tin_ml: float | None = None


@dataclass(frozen=True)
class Check:
    """One oddity: which field, what is odd and why, and what to do about it."""

    code: str
    field: str
    sentence: str
    remedy: str


def checks(formula: Formula, weighed: Weighed, equipment: Equipment | None = None) -> tuple[Check, ...]:
    """Everything odd about a formula that can be baked all the same."""
    has = equipment or Equipment()
    small = [
        too_small(stage.kind, line, has.scale_g)
        for stage in weighed.stages
        for line in stage.lines
        if line.role in ("salt", "yeast", "extra") and 0 < line.g < TRUSTED_STEPS * has.scale_g
    ]
    time = bulk_time(formula, ONE)
    found = (*_salt(formula), *_water(formula), *_leaven(formula), *_bulk(formula, time))
    return (*found, *_vessels(formula, weighed, has, time), *small)


def _salt(formula: Formula) -> list[Check]:
    salt, usual = formula.salt_percent, "Usual is 1.8 to 2.2 %"
    if salt < USUAL_SALT[0]:
        why = f"Salt is {salt:.3g} %: flat bread, and a fast, slack dough."
        return [Check("salt_low", "salt_percent", why, f"{usual}.")]
    if salt > USUAL_SALT[1]:
        why = f"Salt is {salt:.3g} %: it will taste of it, and the dough is slow."
        return [Check("salt_high", "salt_percent", why, f"{usual}; was it a spoon of another salt?")]
    return []


def _water(formula: Formula) -> list[Check]:
    carries = feel(formula).capacity_percent
    over = formula.free_hydration_percent - carries
    these = f"These flours carry about {carries:.0f} % water: at {formula.free_hydration_percent:.4g} %"
    if over > BATTER_OVER:
        remedy = "Bake it in a tin or tray, or take less water."
        return [Check("batter", "hydration_percent", f"{these} this is a batter.", remedy)]
    if over < STIFF_UNDER:
        remedy = "Take more water, or a machine made for stiff dough."
        return [Check("very_stiff", "hydration_percent", f"{these} this hardly comes together.", remedy)]
    return []


def _leaven(formula: Formula) -> list[Check]:
    found = []
    if formula.prefermented_percent > MOST_PREFERMENT_PERCENT:
        why = f"{formula.prefermented_percent:.3g} % of the flour ferments first: over half makes a tired, sour dough."
        found.append(Check("much_preferment", "preferments", why, "Usual is 5 to 40 %."))
    for index, one in enumerate(formula.preferments):
        if one.kind == "biga" and one.hydration_percent > STIFF_BIGA_PERCENT:
            why = f"A biga is stiff, but at {one.hydration_percent:.3g} % water this is a batter."
            field = f"preferments.{index}.hydration_percent"
            found.append(Check("not_stiff", field, why, "Give it 50 to 65 %, or call it a poolish."))
    if formula.instant_yeast_percent > MOST_YEAST_PERCENT:
        why = f"{formula.instant_yeast_percent:.3g} % yeast (as instant) doubles a warm dough in under an hour."
        found.append(Check("much_yeast", "yeast_percent", why, "0.2 to 1 % instant is plenty for lean bread."))
    return found


def _bulk(formula: Formula, time: BulkTime) -> list[Check]:
    """Leaven against the time that it takes; a poolish or biga brings more than is counted here."""
    field = "yeast_percent" if formula.yeast_percent else "preferments"
    at = f"At {{{formula.dough_c:.1f}|c}}"
    if time.likely_h is not None and time.likely_h < QUICKEST_BULK_H:
        why = f"{at} bulk is over in about {60 * time.likely_h:.0f} min: little flavour, and no time to divide."
        return [Check("too_quick", field, why, "Take less leaven, or a cooler dough.")]
    ripening = any(one.kind in ("poolish", "biga", "sponge") for one in formula.preferments)
    if not ripening and (time.likely_h is None or time.likely_h > SLOWEST_BULK_H):
        long = "over a day" if time.likely_h is None else f"about {time.likely_h:.0f} h"
        why = f"{at} bulk takes {long}: longer than a night."
        return [Check("too_slow", field, why, "Take more leaven, or a warmer dough.")]
    return []


def _vessels(formula: Formula, weighed: Weighed, has: Equipment, time: BulkTime) -> list[Check]:
    """Dough against bowl, mixer and tin, as far as they are known."""
    found = []
    if has.bowl_l is not None:
        wants = weighed.dough_g / DOUGH_G_PER_ML / 1000 * (1 + time.rise) * ROOM_OVER_DOUGH
        if wants > has.bowl_l:
            why = f"{{{weighed.dough_g:.0f}|g}} of dough at +{100 * time.rise:.0f} % fill {wants:.1f} litres."
            remedy = f"The bowl holds {has.bowl_l:g}: use two, or a bigger box."
            found.append(Check("bowl_small", "pieces", why, remedy))
    if has.mixer_dough_g is not None and weighed.dough_g > has.mixer_dough_g:
        why = f"{{{weighed.dough_g:.0f}|g}} of dough; the mixer takes {{{has.mixer_dough_g:.0f}|g}}."
        found.append(
            Check("mixer_small", "pieces", why, "Mix in two batches, or by hand; the maker's limit comes first.")
        )
    if has.tin_ml is not None and formula.shape == "pan_loaf":
        fills = formula.scaling_weight_g / has.tin_ml
        low, high = (round(limit * has.tin_ml, -1) for limit in TIN_G_PER_ML)
        much, remedy = f"{fills:.2f} g of dough per ml of tin", f"{{{low:.0f}|g}} to {{{high:.0f}|g}} suit this tin."
        if fills > TIN_G_PER_ML[1]:
            found.append(Check("tin_small", "scaling_weight_g", f"{much}: it will run over.", remedy))
        if fills < TIN_G_PER_ML[0]:
            found.append(Check("tin_large", "scaling_weight_g", f"{much}: a low, flat loaf.", remedy))
    return found


def too_small(stage: str, line: Ingredient, scale_g: float) -> Check:
    """A mass that the scale cannot resolve, with the spoon, and for yeast the dilution, instead."""
    how = []
    if line.kind in TEASPOON_G and line.g >= LEAST_SPOON * TEASPOON_G[line.kind]:
        how.append(f"About {line.g / TEASPOON_G[line.kind]:.2g} teaspoon")
    if line.role == "yeast" and (line.g < scale_g or not how):
        gram = max(1.0, scale_g)
        how.append(f"stir {gram:g} g into {100 * gram:g} g of the water and use {100 * line.g:.0f} g of it")
    why = (
        f"{line.name}, {line.g:.2g} g: a scale of {scale_g:g} g cannot be trusted below {TRUSTED_STEPS * scale_g:g} g."
    )
    remedy = "; or ".join(how) or "Weigh more of it at once, or take a finer scale"
    return Check("too_small", f"{stage}.{line.kind}", why, f"{remedy[0].upper()}{remedy[1:]}.")
