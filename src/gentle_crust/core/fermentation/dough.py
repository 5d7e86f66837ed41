"""What a dough is made of, and what that means for how it ferments."""

from dataclasses import dataclass, field, replace

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, Unreadable, within
from gentle_crust.core.fermentation import pace
from gentle_crust.core.formula.model import YEAST_AS_INSTANT, Formula, brought_by
from gentle_crust.core.formula.scaling import total_percent
from gentle_crust.core.messages import message
from gentle_crust.core.tables import constant, numbers, rows


@dataclass(frozen=True)
class FlourPart:
    """Grams of one kind of flour (a ``kind`` of the flours table)."""

    kind: str
    g: float


@dataclass(frozen=True)
class YeastState:
    """What is known of the baker's yeast: bred for sweet doughs or not, woken for so long, as strong as tested."""

    osmotolerant: bool = False
    woken_min: float = 0.0
    """Minutes in warm, sweet water before it is mixed in."""
    strength: float = 1.0
    """Its gas beside that of fresh stock, 1 being usual."""


@dataclass(frozen=True)
class Dough:
    """One whole batch as it leaves the bowl, grams. ``flours`` and ``water_g`` leave out the levain's own."""

    flours: tuple[FlourPart, ...]
    water_g: float
    salt_g: float = 0.0
    sugar_g: float = 0.0
    oil_g: float = 0.0
    instant_yeast_g: float = 0.0
    active_dry_yeast_g: float = 0.0
    fresh_yeast_g: float = 0.0
    levain_g: float = 0.0
    levain_hydration: float = field(default=1.0)
    yeast: YeastState = YeastState()
    altitude_m: float = 0.0


def flour_kinds() -> tuple[str, ...]:
    """The kinds of flour that the tables know."""
    return tuple(row["kind"] for row in rows("flours"))


@dataclass(frozen=True)
class Makeup:
    """A dough per 100 g of all its flour, the levain's included: what its fermentation depends on."""

    flour_g: float
    dough_g: float
    hydration: float
    salt_percent: float
    sugar_percent: float
    whole_grain: float
    rye: float
    strength: float
    levain_yeast: float
    """Ripe levain flour over all flour, 0-1."""
    yeast_percent: float
    """Instant-yeast equivalent, g per 100 g flour."""
    bound_water: float = 0.0
    """Part of ``hydration`` that soaked grains keep: it does not slacken the dough."""
    gas_made_ml: float = 0.0
    """Gas that preferments have already made, ml per 100 g of all flour: spent food."""
    fat_percent: float = 0.0
    malt_percent: float = 0.0
    folded: float = 1.0
    """How much of the kneading or folding that it needs the dough gets, 0-1."""
    liveliness: float = 1.0
    """How lively its leaven is known to be; 1 is usual."""
    asleep: float = 1.0
    """Share of its baker's yeast that still has to wake, 0-1: what comes in a ripe preferment is awake."""
    waking: float = 1.0
    """How long that takes beside instant yeast."""
    osmotolerant: bool = False
    gassy_water_g: float = 0.0
    """Water of yeasted preferments, full of gas, g per 100 g flour."""
    pressure: float = 1.0
    """Pressure of the air as a share of that at the sea."""
    alcohol_percent: float = 0.0
    """Alcohol that beer, cider or wine brought, g per 100 g flour."""
    in_jar: bool = False
    """Whether it is a culture or a preferment, whose jar carries it."""

    @property
    def dough_per_flour(self) -> float:
        """Dough mass over flour mass."""
        return self.dough_g / self.flour_g

    @property
    def gas_free_ml(self) -> float:
        """Volume of the dough without gas, ml per 100 g flour."""
        return 100 * self.dough_per_flour / constant("fermentation", "gas", "dough_density_g_per_ml")

    @property
    def pace(self) -> float:
        """How all that is in this dough speeds or slows its yeasts; 1 at 2 % salt, 68 % water, white, lean."""
        return (
            pace.of_salt(self.salt_percent)
            * pace.of_sugar(self.sugar_percent, self.hydration, self.osmotolerant)
            * pace.of_fat(self.fat_percent)
            * pace.of_alcohol(self.alcohol_percent, self.hydration)
            * pace.of_grain(self.whole_grain, self.rye, self.malt_percent)
            * pace.of_water(self.hydration - self.bound_water)
        )

    @property
    def souring(self) -> float:
        """The same of its lactic bacteria."""
        return (
            pace.of_salt_on_bacteria(self.salt_percent)
            * pace.of_grain_on_bacteria(self.whole_grain, self.rye)
            * pace.of_water(self.hydration - self.bound_water)
        )

    @property
    def buffer(self) -> float:
        """Acid that its flour takes up for the same pH, beside white flour."""
        return 1 + constant("fermentation", "acid", "buffer") * max(self.whole_grain, self.rye)


def _blend(flours: tuple[FlourPart, ...], column: str) -> float:
    table = numbers("flours", "kind", column)
    total = sum(part.g for part in flours)
    return sum(part.g * table[part.kind] for part in flours) / total


def _check(dough: Dough) -> None:
    kinds = flour_kinds()
    for index, part in enumerate(dough.flours):
        if part.kind not in kinds:
            raise Unreadable(
                f"dough.flours.{index}.kind", "fermentation-flour-unknown", kind=part.kind, names=", ".join(kinds)
            )
        within(f"dough.flours.{index}.g", limits.INGREDIENT_G, part.g)
    for name in ("salt_g", "sugar_g", "oil_g", "instant_yeast_g", "active_dry_yeast_g", "fresh_yeast_g", "levain_g"):
        within(
            f"dough.{name}",
            limits.INGREDIENT_G,
            getattr(dough, name),
            message(f"limit-of-dough-{name.removesuffix('_g').replace('_', '-')}"),
        )
    within("dough.levain_hydration", limits.LEVAIN_WATER, dough.levain_hydration)


def makeup(dough: Dough) -> Makeup:
    """Reckon a batch per 100 g of all flour. The levain's flour counts as the blend's main wheat flour.

    Raises CraftError for an unknown flour, negative grams, no flour, or hydration and salt out of reach.

    Parameters
    ----------
    dough : the dough, in g or as it is judged

    Returns
    -------
    The same dough per 100 g of flour.
    """
    _check(dough)
    levain_flour = dough.levain_g / (1 + dough.levain_hydration)
    flour = sum(part.g for part in dough.flours) + levain_flour
    if sum(part.g for part in dough.flours) <= 0:
        raise CraftError("dough.flours", "fermentation-no-flour")
    hydration = (dough.water_g + dough.levain_g - levain_flour) / flour
    within("dough.water_g", limits.HYDRATION_PERCENT, round(100 * hydration, 1))
    salt = 100 * dough.salt_g / flour
    within("dough.salt_g", limits.SALT_PERCENT, round(salt, 2))
    yeast = _as_instant_g(dough)
    within("dough.instant_yeast_g", limits.YEAST_SHARE, round(100 * yeast / flour, 2))
    within("dough.levain_g", limits.PREFERMENTED_SHARE, round(100 * levain_flour / flour, 1))
    mass = sum(part.g for part in dough.flours) + dough.water_g + dough.salt_g + dough.sugar_g + dough.oil_g
    mass += dough.levain_g + dough.instant_yeast_g + dough.active_dry_yeast_g + dough.fresh_yeast_g
    sugar = 100 * dough.sugar_g / flour
    asleep, waking = _waking(dough)
    return Makeup(
        flour_g=flour,
        dough_g=mass,
        hydration=hydration,
        salt_percent=salt,
        sugar_percent=sugar,
        whole_grain=_blend(dough.flours, "whole_grain_fraction"),
        rye=_blend(dough.flours, "rye_fraction"),
        strength=_blend(dough.flours, "strength"),
        levain_yeast=levain_flour / flour,
        fat_percent=100 * dough.oil_g / flour,
        yeast_percent=100 * yeast / flour * dough.yeast.strength,
        gas_made_ml=-sugar_food_ml(sugar),
        asleep=asleep,
        waking=waking,
        osmotolerant=dough.yeast.osmotolerant,
        pressure=pace.air_pressure(dough.altitude_m),
    )


def _as_instant_g(dough: Dough) -> float:
    """All of the dough's baker's yeast as instant, g."""
    other = YEAST_AS_INSTANT["active_dry"] * dough.active_dry_yeast_g + YEAST_AS_INSTANT["fresh"] * dough.fresh_yeast_g
    return dough.instant_yeast_g + other


def _waking(dough: Dough) -> tuple[float, float]:
    """Share of the baker's yeast that is asleep as it goes in, and how long that takes to wake beside instant yeast."""
    woken = min(dough.yeast.woken_min / constant("fermentation", "bakers_yeast", "woken_min"), 1.0)
    dry, whole = YEAST_AS_INSTANT["active_dry"] * dough.active_dry_yeast_g, _as_instant_g(dough)
    return 1 - woken, _slow_to_wake(dry / whole if whole > 0 else 0.0)


def _slow_to_wake(active_dry: float) -> float:
    """How long yeast takes to wake beside instant yeast when this share of it is active dry."""
    return 1 + active_dry * (constant("fermentation", "bakers_yeast", "unwoken") - 1)


def sugar_food_ml(sugar_percent: float) -> float:
    """Gas that added sugar lets be made beyond what flour alone feeds, ml per 100 g flour.

    Parameters
    ----------
    sugar_percent : added sugar, percent of all flour, 0-60

    Returns
    -------
    Gas, ml at 25 C per 100 g of flour, 0 and more (tuned).
    """
    most = constant("fermentation", "pace", "sugar_food_up_to_percent")
    return constant("fermentation", "pace", "sugar_food_ml") * min(sugar_percent, most)


def with_preferment(makeup: Makeup, yeast_g: float, made_ml: float, water_g: float) -> Makeup:
    """A dough's makeup once a ripe yeasted preferment is in it: its cells awake, its food spent, its water full of gas.

    ``yeast_g`` (instant) that it brings, ``made_ml`` that it made, its ``water_g``, all per 100 g of all the flour.

    Parameters
    ----------
    makeup : the dough per 100 g of its flour
    yeast_g : instant yeast, g per 100 g of flour, 0-5
    made_ml : gas made so far, ml at 25 C per 100 g of flour
    water_g : water, g

    Returns
    -------
    The makeup with what the preferment brings.
    """
    yeast = makeup.yeast_percent + yeast_g
    return replace(
        makeup,
        yeast_percent=yeast,
        asleep=makeup.asleep * makeup.yeast_percent / yeast if yeast > 0 else 1.0,
        gas_made_ml=makeup.gas_made_ml + made_ml,
        gassy_water_g=makeup.gassy_water_g + water_g,
    )


OLD_DOUGH_RIPE = 0.8
"""Yeast of a cold-kept piece of levain dough, a ripe levain being 1 (practice)."""
OLD_DOUGH_GROWN = 1.3
OLD_DOUGH_MADE_ML = 180.0
"""Yeast of a yeasted old dough over what it was mixed with, and the gas it has made, ml per 100 g flour (practice)."""


def makeup_of(formula: Formula) -> Makeup:
    """A formula's dough as its fermentation sees it; poolish, biga and sponge bring no yeast until they are ripe.

    Parameters
    ----------
    formula : the formula, percents over all flour

    Returns
    -------
    The dough per 100 g of its flour.
    """
    levain = sum(one.flour_percent for one in formula.preferments if one.kind == "levain")
    old = [one for one in formula.preferments if one.kind == "old_dough"]
    levain += sum(OLD_DOUGH_RIPE * one.flour_percent for one in old if one.wild)
    yeast = formula.instant_yeast_percent
    yeast += sum(one.flour_percent / 100 * one.yeast_percent * OLD_DOUGH_GROWN for one in old)
    made = sum(one.flour_percent / 100 * OLD_DOUGH_MADE_ML for one in old if not one.wild)
    sugar = brought_by(formula.all_extras, "sugar")
    return Makeup(
        flour_g=100.0,
        dough_g=total_percent(formula),
        hydration=formula.hydration_percent / 100,
        salt_percent=formula.salt_percent + brought_by(formula.all_extras, "salt"),
        sugar_percent=sugar,
        whole_grain=formula.blend("whole_grain_fraction"),
        rye=formula.blend("rye_fraction"),
        strength=formula.blend("strength"),
        levain_yeast=levain / 100,
        yeast_percent=yeast,
        bound_water=formula.bound_water_percent / 100,
        gas_made_ml=made - sugar_food_ml(sugar),
        fat_percent=brought_by(formula.all_extras, "fat"),
        malt_percent=sum(extra.percent for extra in formula.all_extras if extra.kind == "malt"),
        alcohol_percent=brought_by(formula.all_extras, "alcohol"),
        asleep=0.0 if formula.yeast_woken and formula.yeast_kind != "fresh" else 1.0,
        waking=_slow_to_wake(float(formula.yeast_kind == "active_dry")),
        osmotolerant=formula.yeast_kind == "osmotolerant",
    )
