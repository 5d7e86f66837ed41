"""Oddities of a formula, each with its reason and a remedy. None of them forbids anything."""

from dataclasses import dataclass

from gentle_crust.core.fermentation.bulk_time import BulkTime, bulk_time
from gentle_crust.core.fermentation.uncertainty import ONE
from gentle_crust.core.formula.feel import feel
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.formula.scaling import Ingredient, Weighed
from gentle_crust.core.messages import Message, Value, message
from gentle_crust.core.water.advice import COOL_AND_SLOW_C, LEVAIN_SUFFERS_C, RYE_LIKES_C, WHEAT_LIKES_C

USUAL_SALT = (1.5, 2.5)
STIFF_BIGA_PERCENT = 70.0
MOST_PREFERMENT_PERCENT = 50.0
MOST_YEAST_PERCENT = 2.0
TRUSTED_STEPS = 10
"""A scale is trusted from this many of its own steps up (practice)."""
BATTER_OVER, STIFF_UNDER = 22.0, -12.0
"""Hydration this far over or under what the flours carry is hardly a dough (practice)."""
TEASPOON_G = {
    "instant": 3.1,
    "active_dry": 3.1,
    "salt": 5.5,
    "sugar": 4.2,
    "honey": 7.0,
    "oil": 4.5,
    "malt": 3.0,
    "osmotolerant": 3.1,
}
"""A level teaspoon of each, the salt fine sea salt (practice)."""
VERY_WET_OVER, STRONG = 36.0, 0.98
"""A strong flour is still a dough, if a very wet one, with so much water over what it carries (practice)."""
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
    what: Message


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
    found = (*_salt(formula), *_water(formula), *_warmth(formula), *_leaven(formula), *_bulk(formula, time))
    return (*found, *_vessels(formula, weighed, has, time), *small)


def _salt(formula: Formula) -> list[Check]:
    salt = formula.salt_percent
    if salt < USUAL_SALT[0]:
        return [Check("salt_low", "salt_percent", message("check-salt-low", percent=salt))]
    if salt > USUAL_SALT[1]:
        return [Check("salt_high", "salt_percent", message("check-salt-high", percent=salt))]
    return []


def _water(formula: Formula) -> list[Check]:
    carries = feel(formula).capacity_percent
    over = formula.free_hydration_percent - carries
    has = formula.free_hydration_percent
    if BATTER_OVER < over <= VERY_WET_OVER and formula.blend("strength") >= STRONG:
        return [Check("very_wet", "hydration_percent", message("check-very-wet", carries=carries, has=has))]
    if over > BATTER_OVER:
        return [Check("batter", "hydration_percent", message("check-batter", carries=carries, has=has))]
    if over < STIFF_UNDER:
        return [Check("very_stiff", "hydration_percent", message("check-very-stiff", carries=carries, has=has))]
    return []


def _warmth(formula: Formula) -> list[Check]:
    """A dough warmer or cooler than its flour and leaven like it."""
    low, high = RYE_LIKES_C if formula.rye_rich else WHEAT_LIKES_C
    if formula.dough_c > high:
        code = "hot_levain" if formula.by_culture_alone and formula.dough_c > LEVAIN_SUFFERS_C else "warm"
        what = message(f"check-dough-{code.replace('_', '-')}", dough_c=formula.dough_c, low_c=low, high_c=high)
        return [Check(f"dough_{code}", "dough_c", what)]
    if formula.dough_c < (low if formula.rye_rich else COOL_AND_SLOW_C):
        return [Check("dough_cool", "dough_c", message("check-dough-cool", dough_c=formula.dough_c, low_c=low))]
    return []


def _leaven(formula: Formula) -> list[Check]:
    found = []
    if formula.prefermented_percent > MOST_PREFERMENT_PERCENT:
        what = message("check-much-preferment", percent=formula.prefermented_percent)
        found.append(Check("much_preferment", "preferments", what))
    for index, one in enumerate(formula.preferments):
        if one.kind == "biga" and one.hydration_percent > STIFF_BIGA_PERCENT:
            what = message("check-not-stiff", percent=one.hydration_percent)
            found.append(Check("not_stiff", f"preferments.{index}.hydration_percent", what))
    if formula.instant_yeast_percent > MOST_YEAST_PERCENT:
        what = message("check-much-yeast", percent=formula.instant_yeast_percent)
        found.append(Check("much_yeast", "yeast_percent", what))
    return found


def _bulk(formula: Formula, time: BulkTime) -> list[Check]:
    """Leaven against the time that it takes; a poolish or biga brings more than is counted here."""
    field = "yeast_percent" if formula.yeast_percent else "preferments"
    at = formula.dough_c
    if time.likely_h is not None and time.likely_h < QUICKEST_BULK_H:
        return [Check("too_quick", field, message("check-too-quick", dough_c=at, minutes=60 * time.likely_h))]
    ripening = any(one.kind in ("poolish", "biga", "sponge") for one in formula.preferments)
    if not ripening and (time.likely_h is None or time.likely_h > SLOWEST_BULK_H):
        if time.likely_h is None:
            return [Check("too_slow", field, message("check-over-a-day", dough_c=at))]
        return [Check("too_slow", field, message("check-too-slow", dough_c=at, hours=time.likely_h))]
    return []


def _vessels(formula: Formula, weighed: Weighed, has: Equipment, time: BulkTime) -> list[Check]:
    """Dough against bowl, mixer and tin, as far as they are known."""
    found = []
    if has.bowl_l is not None:
        wants = weighed.dough_g / DOUGH_G_PER_ML / 1000 * (1 + time.rise) * ROOM_OVER_DOUGH
        if wants > has.bowl_l:
            what = message(
                "check-bowl-small", dough_g=weighed.dough_g, rise=100 * time.rise, wants=wants, holds=has.bowl_l
            )
            found.append(Check("bowl_small", "pieces", what))
    if has.mixer_dough_g is not None and weighed.dough_g > has.mixer_dough_g:
        what = message("check-mixer-small", dough_g=weighed.dough_g, most_g=has.mixer_dough_g)
        found.append(Check("mixer_small", "pieces", what))
    if has.tin_ml is not None and formula.shape == "pan_loaf":
        fills = formula.scaling_weight_g / has.tin_ml
        low, high = (round(limit * has.tin_ml, -1) for limit in TIN_G_PER_ML)
        for code, odd in (("tin_small", fills > TIN_G_PER_ML[1]), ("tin_large", fills < TIN_G_PER_ML[0])):
            if odd:
                what = message(f"check-{code.replace('_', '-')}", fills=fills, low_g=low, high_g=high)
                found.append(Check(code, "scaling_weight_g", what))
    return found


def too_small(stage: str, line: Ingredient, scale_g: float) -> Check:
    """A mass that the scale cannot resolve, with the spoon, and for yeast the dilution, instead."""
    gram = max(1.0, scale_g)
    figures: dict[str, Value] = {
        "name": line.name, "g": float(f"{line.g:.2g}"), "scale_g": scale_g, "trusted_g": TRUSTED_STEPS * scale_g,
        "stirred_g": gram, "water_g": 100 * gram, "used_g": 100 * line.g,
    }  # fmt: skip
    spoons = line.g / TEASPOON_G.get(line.kind, line.g)
    spooned = line.kind in TEASPOON_G and spoons >= LEAST_SPOON
    if spooned:
        figures["spoons"] = float(f"{spoons:.2g}")
    stirred = line.role == "yeast" and (line.g < scale_g or not spooned)
    how = {(True, True): "-spoon-or-stir", (True, False): "-spoon", (False, True): "-stir", (False, False): ""}
    return Check("too_small", f"{stage}.{line.kind}", message(f"check-too-small{how[spooned, stirred]}", **figures))
