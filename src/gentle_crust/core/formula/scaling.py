"""From percentages to grams: the whole batch, its preferment and what is left for the final dough."""

from dataclasses import dataclass

from gentle_crust.core.errors import within
from gentle_crust.core.formula.model import Formula, check, extras_water_percent, flour_name

BOWL_LOSS = 0.01
"""Share of the dough that stays on bowl, hands and scraper (practice)."""


@dataclass(frozen=True)
class Ingredient:
    """One line of a weigh list. ``percent`` is over all flour, ``mixed_percent`` over its own stage's flour."""

    role: str
    """flour, water, salt, yeast, levain, preferment or extra."""
    name: str
    kind: str
    g: float
    percent: float
    mixed_percent: float


@dataclass(frozen=True)
class Stage:
    """What is weighed together at one time."""

    kind: str
    """levain, poolish, biga, sponge or dough."""
    lines: tuple[Ingredient, ...]

    @property
    def g(self) -> float:
        """Mass of the stage."""
        return sum(line.g for line in self.lines)


@dataclass(frozen=True)
class Weighed:
    """A formula in grams. The preferment comes before the dough that takes it up."""

    flour_g: float
    dough_g: float
    stages: tuple[Stage, ...]
    overall_hydration_percent: float
    mixed_hydration_percent: float
    """Water over flour of what is put into the bowl beside the preferment."""
    overall_salt_percent: float
    mixed_salt_percent: float
    prefermented_percent: float


def total_percent(formula: Formula) -> float:
    """All ingredients over all flour, percent: what one hundred of flour weighs as dough."""
    pinch = formula.preferment.flour_percent * formula.preferment.yeast_percent / 100 if formula.preferment else 0
    extras = sum(extra.percent for extra in formula.extras)
    water = formula.hydration_percent - extras_water_percent(formula)
    return 100 + water + formula.salt_percent + formula.instant_yeast_percent + pinch + extras


def weigh(formula: Formula, pieces: int, scaling_weight_g: float, bowl_loss: float = BOWL_LOSS) -> Weighed:
    """Scale a formula to ``pieces`` of ``scaling_weight_g`` (g of dough each), bowl loss added.

    Raises CraftError if the formula cannot be made, or the batch is out of reach (1-100 pieces, 30-5000 g).
    """
    check(formula)
    within("pieces", "The number of pieces", pieces, 1, 100, "")
    within("scaling_weight_g", "Scaling weight", scaling_weight_g, 30, 5000, " g")
    within("bowl_loss", "Bowl loss", bowl_loss, 0, 0.2, "")
    dough = pieces * scaling_weight_g / (1 - bowl_loss)
    flour = dough / (total_percent(formula) / 100)
    preferment = _preferment_stage(formula, flour)
    final = _final_stage(formula, flour, preferment)
    stages = (preferment, final) if preferment else (final,)
    bowl_flour = sum(line.g for line in final.lines if line.role == "flour")
    bowl_water = (
        sum(line.g for line in final.lines if line.role == "water") + flour * extras_water_percent(formula) / 100
    )
    return Weighed(
        flour_g=flour,
        dough_g=dough,
        stages=stages,
        overall_hydration_percent=formula.hydration_percent,
        mixed_hydration_percent=100 * bowl_water / bowl_flour,
        overall_salt_percent=formula.salt_percent,
        mixed_salt_percent=formula.salt_percent * flour / bowl_flour,
        prefermented_percent=formula.preferment.flour_percent if formula.preferment else 0.0,
    )


def _preferment_stage(formula: Formula, flour_g: float) -> Stage | None:
    preferment = formula.preferment
    if preferment is None:
        return None
    own = flour_g * preferment.flour_percent / 100

    def line(role: str, name: str, kind: str, own_percent: float) -> Ingredient:
        grams = own * own_percent / 100
        return Ingredient(role, name, kind, grams, 100 * grams / flour_g, own_percent)

    lines = [line("flour", flour_name(preferment.flour_kind), preferment.flour_kind, 100)]
    lines.append(line("water", "Water", "water", preferment.hydration_percent))
    if preferment.yeast_percent:
        lines.append(line("yeast", "Instant yeast", "instant_yeast", preferment.yeast_percent))
    return Stage(preferment.kind, tuple(lines))


def _final_stage(formula: Formula, flour_g: float, preferment: Stage | None) -> Stage:
    taken = {line.kind: line.g for line in preferment.lines} if preferment else {}
    flours = [(share.kind, flour_g * share.percent / 100) for share in formula.flours]
    left: list[tuple[str, float]] = []
    for kind, grams in flours:
        used = min(taken.get(kind, 0.0), grams)
        taken[kind] = taken.get(kind, 0.0) - used
        left.append((kind, grams - used))
    bowl_flour = sum(grams for _, grams in left)

    def line(role: str, name: str, kind: str, grams: float) -> Ingredient:
        return Ingredient(role, name, kind, grams, 100 * grams / flour_g, 100 * grams / bowl_flour)

    lines = [line("flour", flour_name(kind), kind, grams) for kind, grams in left if grams > 1e-6]
    water = flour_g * (formula.hydration_percent - extras_water_percent(formula)) / 100 - taken.get("water", 0.0)
    lines.append(line("water", "Water", "water", water))
    if preferment:
        role = "levain" if preferment.kind == "levain" else "preferment"
        lines.append(line(role, f"{preferment.kind.capitalize()}, ripe", preferment.kind, preferment.g))
    lines.append(line("salt", "Salt", "salt", flour_g * formula.salt_percent / 100))
    if formula.instant_yeast_percent:
        lines.append(line("yeast", "Instant yeast", "instant_yeast", flour_g * formula.instant_yeast_percent / 100))
    lines += [line("extra", extra.name, extra.kind, flour_g * extra.percent / 100) for extra in formula.extras]
    return Stage("dough", tuple(lines))
