"""A kitchen and its pantry, as they are kept."""

from dataclasses import dataclass, field, replace

from gentle_crust.core.checks import Equipment
from gentle_crust.core.formula.flour import MyFlour
from gentle_crust.core.formula.measures import Habits
from gentle_crust.core.formula.model import FlourShare, Formula
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.oven.kit import OvenStage, Preheated, Steam
from gentle_crust.core.oven.steps import Tool


@dataclass(frozen=True)
class MyBake:
    """A bake that its baker gave a name: in what, heated how, with which steam, its stages and minutes of heating."""

    id: str
    name: str
    vessel_id: str
    preheated: Preheated
    steam: tuple[Steam, ...]
    stages: tuple[OvenStage, ...]
    preheat_min: float


@dataclass(frozen=True)
class Settings:
    """A kitchen: temperatures C, sleep as HH:MM by its own zone, oven and vessels, and the units to show."""

    name: str = "My kitchen"
    zone: str = "UTC"
    room_day_c: float = 22.0
    room_night_c: float = 19.0
    fridge_c: float = 4.0
    tap_c: float = 14.0
    altitude_m: float = 0.0
    sleep_from: str = "22:30"
    sleep_to: str = "06:30"
    oven: Oven = field(default_factory=Oven)
    vessels: tuple[Vessel, ...] = (
        Vessel("pot", "lidded_cast_iron", "Iron pot", 1),
        Vessel("stone", "stone", "Baking stone", 1),
        Vessel("tin", "tin", "Loaf tins", 2),
        Vessel("tray", "tray", "Tray", 1),
    )
    other_ovens: tuple[Oven, ...] = ()
    """Ovens that are not baked in now."""
    tools: tuple[Tool, ...] = ("lame", "peel")
    """For loading and scoring."""
    steam: tuple[str, ...] = ("hot_pan", "mist_loaf")
    """The ways to steam that there are."""
    paper_c: float | None = 220.0
    """What the baking paper in use bears; None: no paper."""
    fahrenheit: bool = False
    ounces: bool = False
    hot_tap_c: float | None = None
    scale_g: float = 1.0
    """The scale's step."""
    bowl_l: float | None = None
    mixer_dough_g: float | None = None
    """The most dough that the mixer's maker allows."""
    tin_ml: float | None = None
    currency: str = ""
    box_l: float | None = None
    """A straight-sided box for bulk, litres."""
    jar_mm: float | None = None
    """Inner width of a straight sample jar."""
    fridge_l: float | None = None
    """Litres of the fridge that doughs may have; None: it is never full."""
    bakes: tuple[MyBake, ...] = ()
    """The baker's own bakes, by name."""
    measures: Habits = field(default_factory=Habits)
    """How this baker measures: cup, spoon, salt and ounces, for written recipes."""

    @property
    def equipment(self) -> Equipment:
        """What formulas are checked against."""
        return Equipment(self.scale_g, self.bowl_l, self.mixer_dough_g, self.tin_ml)


@dataclass(frozen=True)
class Price:
    """What a kilo of something costs, in the kitchen's currency."""

    name: str
    """The ingredient's key: the baker's own name for it, else the code of what the program calls it."""
    price_per_kg: float


@dataclass(frozen=True)
class Pantry:
    """Own flours, and prices of whatever else is bought."""

    flours: tuple[MyFlour, ...] = ()
    prices: tuple[Price, ...] = ()

    def prices_by_key(self) -> dict[str, float]:
        """Price a kilo by an ingredient's key; an own flour's is that of its newest bag."""
        found = {price.name: price.price_per_kg for price in self.prices}
        own = {flour.name: flour.price_per_kg for flour in self.flours}
        return found | {name: price for name, price in own.items() if price is not None}

    def refreshed(self, formula: Formula) -> Formula:
        """A living formula with its own flours as they are known today."""
        known = {flour.id: flour for flour in self.flours}

        def now(share: FlourShare) -> FlourShare:
            mine = share.mine and known.get(share.mine.id)
            return replace(share, kind=mine.kind, mine=mine) if mine else share

        soakers = tuple(
            replace(soaker, flours=tuple(now(share) for share in soaker.flours)) for soaker in formula.soakers
        )
        return replace(formula, flours=tuple(now(share) for share in formula.flours), soakers=soakers)
