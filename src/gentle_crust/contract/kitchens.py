"""The kitchen and its pantry, as they are sent and shown."""

from datetime import datetime
from typing import Annotated, ClassVar, Literal

from pydantic import Field

from gentle_crust.contract.formula import MyFlourBody
from gentle_crust.contract.kitchen import MyBake, Pantry, Settings
from gentle_crust.contract.measures import HabitsBody
from gentle_crust.contract.oven import OvenStageBody, OvenSteamBody
from gentle_crust.contract.strict import Number, Short, Shown, Strict
from gentle_crust.core import limits
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import Message
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.oven.kit import OvenKind, OvenStage, Preheated, Steam
from gentle_crust.core.oven.steps import Tool


class OvenBody(Strict):
    """The oven."""

    limits: ClassVar[dict[str, Limit]] = {
        "top_c": limits.OVEN_TOP_C,
        "volume_l": limits.OVEN_VOLUME_L,
        "heater_w": limits.HEATER_W,
        "heat_up_min": limits.HEAT_UP_MIN,
        "offset_k": limits.OFFSET_K,
        "shelves": limits.SHELVES,
        "shelf_cm2": limits.SHELF_CM2,
    }

    kind: OvenKind = "electric"
    top_c: Number = 250
    volume_l: Number = 55
    heater_w: Number | None = None
    heat_up_min: Number | None = None
    offset_k: Number = 0
    hot_side: Literal["", "left", "right", "back", "front"] = ""
    shelves: int = 3
    shelf_cm2: Number = 1600
    name: Short = ""


class VesselBody(Strict):
    """One vessel."""

    limits: ClassVar[dict[str, Limit]] = {
        "count": limits.VESSEL_COUNT,
        "base_kg": limits.VESSEL_BASE_KG,
        "lid_kg": limits.VESSEL_LID_KG,
        "inside_l": limits.VESSEL_INSIDE_L,
        "rated_c": limits.VESSEL_RATED_C,
        "knob_c": limits.VESSEL_KNOB_C,
    }

    id: Short
    kind: Short
    name: Short
    count: int = 1
    base_kg: Number | None = None
    lid_kg: Number | None = None
    inside_l: Number | None = None
    rated_c: Number | None = None
    knob_c: Number | None = None
    heats_empty: bool | None = None


class DayBody(Strict):
    """What a kitchen's day is drawn from."""

    limits: ClassVar[dict[str, Limit]] = {
        "room_day_c": limits.ROOM_DAY_C,
        "room_night_c": limits.ROOM_NIGHT_C,
    }

    room_day_c: Number
    room_night_c: Number
    sleep_from: Short
    sleep_to: Short


class Warmth(Shown):
    """How warm the kitchen is at a local hour, counted on after midnight."""

    hour: float
    room_c: float


class DayAnswer(Shown):
    """A day of the kitchen, from noon to noon, and the hours of sleep in it."""

    warmth: list[Warmth]
    asleep_from_h: float
    asleep_to_h: float


class MyBakeBody(Strict):
    """One of the baker's own bakes."""

    id: Short
    name: Short
    vessel_id: Short
    preheated: Preheated
    steam: Annotated[list[OvenSteamBody], Field(max_length=6)]
    stages: Annotated[list[OvenStageBody], Field(max_length=12)]
    preheat_min: Number

    def bake(self) -> MyBake:
        """As the kitchen keeps it."""
        stages = tuple(OvenStage(**stage.model_dump()) for stage in self.stages)
        steam = tuple(Steam(**each.model_dump()) for each in self.steam)
        return MyBake(self.id, self.name, self.vessel_id, self.preheated, steam, stages, self.preheat_min)


class KitchenBody(Strict):
    """The kitchen, whole."""

    limits: ClassVar[dict[str, Limit]] = {
        "room_day_c": limits.ROOM_DAY_C,
        "room_night_c": limits.ROOM_NIGHT_C,
        "fridge_c": limits.FRIDGE_C,
        "tap_c": limits.TAP_C,
        "altitude_m": limits.ALTITUDE_M,
        "scale_g": limits.SCALE_G,
        "hot_tap_c": limits.HOT_TAP_C,
        "bowl_l": limits.KITCHEN_BOWL_L,
        "mixer_dough_g": limits.MIXER_DOUGH_G,
        "tin_ml": limits.TIN_ML,
        "box_l": limits.KITCHEN_BOX_L,
        "jar_mm": limits.JAR_MM,
        "fridge_l": limits.KITCHEN_FRIDGE_L,
        "paper_c": limits.PAPER_C,
    }

    name: Short
    zone: Short
    room_day_c: Number
    room_night_c: Number
    fridge_c: Number
    tap_c: Number
    altitude_m: Number = 0
    sleep_from: Short
    sleep_to: Short
    oven: OvenBody
    vessels: Annotated[list[VesselBody], Field(max_length=40)]
    other_ovens: Annotated[list[OvenBody], Field(max_length=12)] = []
    tools: list[Tool] = ["lame", "peel"]
    steam: Annotated[list[Short], Field(max_length=12)] = ["hot_pan", "mist_loaf"]
    paper_c: Number | None = 220
    fahrenheit: bool = False
    ounces: bool = False
    hot_tap_c: Number | None = None
    scale_g: Number = 1
    bowl_l: Number | None = None
    mixer_dough_g: Number | None = None
    tin_ml: Number | None = None
    currency: Short = ""
    box_l: Number | None = None
    jar_mm: Number | None = None
    fridge_l: Number | None = None
    bakes: Annotated[list[MyBakeBody], Field(max_length=40)] = []
    measures: HabitsBody | None = None

    def settings(self, before: Settings) -> Settings:
        """As the kitchen takes it; ``before``: as it was, for what a body leaves out."""
        values = self.model_dump(exclude={"oven", "vessels", "steam", "other_ovens", "tools", "bakes", "measures"})
        measures = before.measures if self.measures is None else self.measures.habits()
        vessels = tuple(Vessel(**vessel.model_dump()) for vessel in self.vessels)
        oven = Oven(**self.oven.model_dump())
        others = tuple(Oven(**each.model_dump()) for each in self.other_ovens)
        means = {"steam": tuple(self.steam), "tools": tuple(self.tools)}
        bakes = tuple(each.bake() for each in self.bakes)
        return Settings(
            **values, oven=oven, other_ovens=others, vessels=vessels, bakes=bakes, measures=measures, **means
        )


class PhoneAnswer(Shown):
    """The address on the kitchen's network and its QR code as a picture; empty if it is not served there."""

    address: str
    qr: str


class KitchenAnswer(Shown):
    """The kitchen and what time it is there."""

    settings: Settings
    now: datetime
    rate: float
    """How fast the program's clock runs: 1, or 0 if it stands still."""
    vessel_kinds: dict[str, Message]
    etag: str
    """Names the state that this is: sent back as If-Match, it keeps others' changes from being overwritten."""
    can_undo: bool


class PriceBody(Strict):
    """What a kilo of something costs."""

    limits: ClassVar[dict[str, Limit]] = {
        "price_per_kg": limits.PRICE_PER_KG,
    }

    name: Short
    price_per_kg: Number


class PantryBody(Strict):
    """The pantry, whole."""

    flours: Annotated[list[MyFlourBody], Field(max_length=60)] = []
    prices: Annotated[list[PriceBody], Field(max_length=200)] = []


class UsualFlour(Shown):
    """A kind of flour with its usual figures."""

    kind: str
    name: Message
    absorption_percent: float
    protein_percent: float


class Bought(Shown):
    """An ingredient that formulas take: the key under which its price is kept, and what it is called."""

    key: str
    name: Message


class PantryAnswer(Shown):
    """The pantry, the table's flours with their usual figures, and what is bought for the formulas."""

    pantry: Pantry
    usual: list[UsualFlour]
    bought: list[Bought]
    priced: list[Bought]
    """What has a price, in the order of the pantry's prices."""
    etag: str
    can_undo: bool
