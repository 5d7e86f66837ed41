"""From percentages to grams: the whole batch, its preferments and soakers, and what is left for the final dough."""

from collections.abc import Iterable
from dataclasses import dataclass
from math import floor, log10

from gentle_crust.core import limits
from gentle_crust.core.errors import within
from gentle_crust.core.formula.model import (
    Formula,
    Preferment,
    Soaker,
    brought_by,
    check,
    final_flour_percent,
    final_salt_percent,
    final_water_percent,
    poured_water_percent,
)
from gentle_crust.core.formula.names import BOILING_WATER, HELD_BACK, PREFERMENT_YEAST, SALT, WATER, yeast_name
from gentle_crust.core.messages import Message, message, named

BOWL_LOSS = 0.01
"""Share of the dough that stays on bowl, hands and scraper (practice)."""


@dataclass(frozen=True)
class Ingredient:
    """One line of a weigh list. ``percent`` is over all flour, ``mixed_percent`` over its own stage's flour.

    ``late`` lines are worked in after the gluten has formed.
    """

    role: str
    """flour, water, salt, yeast, levain, preferment, soaker or extra."""
    name: Message
    kind: str
    g: float
    percent: float
    mixed_percent: float
    late: bool = False


@dataclass(frozen=True)
class Stage:
    """What is weighed together at one time."""

    kind: str
    """levain, poolish, biga, sponge, old_dough, soaker, scald or dough."""
    title: Message
    lines: tuple[Ingredient, ...]

    @property
    def g(self) -> float:
        """Mass of the stage."""
        return sum(line.g for line in self.lines)


@dataclass(frozen=True)
class Weighed:
    """A formula in grams: first the preferments in the formula's order, then its soakers, last the dough."""

    flour_g: float
    dough_g: float
    stages: tuple[Stage, ...]
    overall_hydration_percent: float
    mixed_hydration_percent: float
    """Water over flour of what is put into the bowl beside the preferments and soakers."""
    free_hydration_percent: float
    """Overall, without the water that soaked grains keep."""
    overall_salt_percent: float
    mixed_salt_percent: float
    prefermented_percent: float

    @property
    def dough(self) -> Stage:
        """The final dough."""
        return self.stages[-1]


@dataclass(frozen=True)
class Total:
    """One ingredient of the whole formula, all stages together. ``line`` is its place in the formula."""

    line: str
    name: Message
    g: float
    percent: float
    share: float
    """Of the whole dough, 0-1."""


def total_percent(formula: Formula) -> float:
    """All ingredients over all flour, percent: what one hundred of flour weighs as dough."""
    pinches = sum(one.flour_percent * one.yeast_percent / 100 for one in formula.preferments)
    extras = sum(extra.percent for extra in formula.all_extras)
    return 100 + poured_water_percent(formula) + formula.salt_percent + formula.yeast_percent + pinches + extras


def weigh(formula: Formula, pieces: int, scaling_weight_g: float, bowl_loss: float = BOWL_LOSS) -> Weighed:
    """Scale a formula to ``pieces`` of ``scaling_weight_g`` (g of dough each), bowl loss added.

    Raises CraftError if the formula cannot be made, or the batch is out of reach (1-100 pieces, 30-5000 g).
    """
    check(formula)
    within("pieces", limits.PIECES, pieces)
    within("scaling_weight_g", limits.SCALING_WEIGHT_G, scaling_weight_g)
    within("bowl_loss", limits.BOWL_LOSS, bowl_loss)
    dough = pieces * scaling_weight_g / (1 - bowl_loss)
    flour = dough / (total_percent(formula) / 100)
    first = [_preferment_stage(formula, flour, one) for one in formula.preferments]
    first += [_soaker_stage(flour, soaker) for soaker in formula.soakers]
    bowl_flour = sum(final_flour_percent(formula, share.key) for share in formula.flours)
    bowl_water = final_water_percent(formula) + brought_by(formula.extras, "water")
    return Weighed(
        flour_g=flour,
        dough_g=dough,
        stages=(*first, _final_stage(formula, flour, bowl_flour, first)),
        overall_hydration_percent=formula.hydration_percent,
        mixed_hydration_percent=100 * bowl_water / bowl_flour,
        free_hydration_percent=formula.free_hydration_percent,
        overall_salt_percent=formula.salt_percent,
        mixed_salt_percent=100 * final_salt_percent(formula) / bowl_flour,
        prefermented_percent=formula.prefermented_percent,
    )


class _Lines:
    """Collects lines of a stage whose own flour is ``base`` percent of all flour (``flour_g``)."""

    def __init__(self, flour_g: float, base: float) -> None:
        self.flour_g, self.base = flour_g, base
        self.found: list[Ingredient] = []

    def add(self, role: str, name: Message, kind: str, percent: float, late: bool = False) -> None:
        if percent > 1e-9:
            own = 100 * percent / self.base if self.base else 0.0
            self.found.append(Ingredient(role, name, kind, self.flour_g * percent / 100, percent, own, late))


def _preferment_stage(formula: Formula, flour_g: float, one: Preferment) -> Stage:
    lines = _Lines(flour_g, one.flour_percent)
    lines.add("flour", formula.flour_called(one.flour_kind), one.flour_kind, one.flour_percent)
    for role, name, kind, own in (
        ("water", WATER, "water", one.hydration_percent),
        ("yeast", yeast_name("instant"), "instant", one.yeast_percent),
        ("salt", SALT, "salt", one.salt_percent),
    ):
        lines.add(role, name, kind, one.flour_percent * own / 100)
    return Stage(one.kind, one.name, tuple(lines.found))


def _soaker_stage(flour_g: float, soaker: Soaker) -> Stage:
    lines = _Lines(flour_g, sum(share.percent for share in soaker.flours))
    for share in soaker.flours:
        lines.add("flour", share.name, share.key, share.percent)
    for extra in soaker.extras:
        lines.add("extra", named(extra.name), extra.kind, extra.percent)
    lines.add("water", BOILING_WATER if soaker.kind == "scald" else WATER, "water", soaker.water_percent)
    return Stage(soaker.kind, named(soaker.name), tuple(lines.found))


def _final_stage(formula: Formula, flour_g: float, bowl_flour: float, first: list[Stage]) -> Stage:
    lines = _Lines(flour_g, bowl_flour)
    for share in formula.flours:
        lines.add("flour", share.name, share.key, final_flour_percent(formula, share.key))
    lines.add("water", WATER, "water", final_water_percent(formula) - formula.held_back_percent)
    for stage in first:
        role = stage.kind if stage.kind == "levain" else "soaker" if stage.kind in ("soaker", "scald") else "preferment"
        lines.add(role, _waiting(stage), stage.kind, 100 * stage.g / flour_g)
    lines.add("salt", SALT, "salt", final_salt_percent(formula), formula.salt_late)
    lines.add("yeast", yeast_name(formula.yeast_kind), formula.yeast_kind, formula.yeast_percent)
    for extra in formula.extras:
        lines.add("extra", named(extra.name), extra.kind, extra.percent, extra.late)
    lines.add("water", HELD_BACK, "water", formula.held_back_percent, late=True)
    return Stage("dough", message("shown-weigh-dough"), tuple(lines.found))


def _waiting(stage: Stage) -> Message:
    """What fermented or soaked before, as it goes into the dough."""
    if stage.kind == "old_dough":
        return stage.title
    ready = {"soaker": "soaked", "scald": "scalded"}.get(stage.kind, "ripe")
    return message(f"ingredient-{ready}", what=stage.title)


def totals(formula: Formula, flour_g: float) -> tuple[Total, ...]:
    """The whole formula with ``flour_g`` of flour, ingredient by ingredient, each with its place in the formula."""
    whole = total_percent(formula)

    def one(line: str, name: Message, percent: float) -> Total:
        return Total(line, name, flour_g * percent / 100, percent, percent / whole)

    found = [one(f"flours.{place}", share.name, share.percent) for place, share in enumerate(formula.flours)]
    found.append(one("water", WATER, poured_water_percent(formula)))
    found.append(one("salt", SALT, formula.salt_percent))
    found.append(one("yeast", yeast_name(formula.yeast_kind), formula.yeast_percent))
    for place, extra in enumerate(formula.extras):
        found.append(one(f"extras.{place}", named(extra.name), extra.percent))
    for index, soaker in enumerate(formula.soakers):
        for place, extra in enumerate(soaker.extras):
            found.append(one(f"soakers.{index}.extras.{place}", named(extra.name), extra.percent))
    pinches = sum(each.flour_percent * each.yeast_percent / 100 for each in formula.preferments)
    if pinches:
        found.append(one("preferment_yeast", PREFERMENT_YEAST, pinches))
    return tuple(found)


def on_scale(grams: float, resolution_g: float = 1.0) -> float:
    """Grams as a scale of ``resolution_g`` is asked for them: in its steps, and finer what it cannot resolve.

    Below ten steps the figure keeps two digits, for the spoon or the dilution that must stand in for the scale.
    """
    if grams <= 0:
        return 0.0
    if grams >= 9.95 * resolution_g:
        return round(round(grams / resolution_g) * resolution_g, 4)
    digits = 1 - floor(log10(grams))
    return round(grams, min(max(digits, 0), 4))


def sum_by_name(lines: Iterable[Ingredient]) -> dict[Message, float]:
    """Grams of each ingredient by name, what ferments or soaks first being counted by what is in it."""
    found: dict[Message, float] = {}
    for line in lines:
        if line.role not in ("levain", "preferment", "soaker"):
            name = WATER if line.role == "water" else line.name
            found[name] = found.get(name, 0.0) + line.g
    return found
