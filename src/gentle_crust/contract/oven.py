"""Bakes in the oven: as they are asked for and shown."""

from dataclasses import dataclass
from datetime import datetime
from typing import Annotated, Any, ClassVar, Literal

from pydantic import Field

from gentle_crust.contract.kitchen import MyBake
from gentle_crust.contract.strict import Number, Short, Shown, Strict
from gentle_crust.core import limits
from gentle_crust.core.errors import within
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import Message, message
from gentle_crust.core.oven.doneness import SHADES, Lag, Sign
from gentle_crust.core.oven.falling import FiredHeat, Turn
from gentle_crust.core.oven.hazards import Hazard
from gentle_crust.core.oven.kit import Fired, OvenKind, OvenStage, Preheated, Steam
from gentle_crust.core.oven.lesson import SignTold
from gentle_crust.core.oven.loads import Load
from gentle_crust.core.oven.ranking import Point, Serves, Wish
from gentle_crust.core.oven.schools import School
from gentle_crust.core.oven.shelf import LoadPlan
from gentle_crust.core.oven.staged import Done
from gentle_crust.core.oven.steps import Touch


@dataclass(frozen=True)
class OvenLessonLine:
    """One bake that taught the oven: what was foretold and what was seen; whether it counts, or was put aside."""

    id: str
    at: datetime
    name: str
    bake: str
    told: tuple[SignTold, ...]
    counts: bool
    aside: bool


@dataclass(frozen=True)
class AskedLoaf:
    """A formula's loaf: pieces and grams are the formula's unless given; ``cold``: straight from the fridge."""

    formula_id: str
    pieces: int | None = None
    piece_g: float | None = None
    cold: bool = True
    wish: Wish = "usual"
    fired: Fired | None = None
    """How hot a wood oven is as it is loaded, if that was measured."""


@dataclass(frozen=True)
class AskedBake:
    """One way for that loaf; stages and preheating are drawn up unless given."""

    loaf: AskedLoaf
    vessel_id: str
    preheated: Preheated | None = None
    steam: tuple[str, ...] | None = None
    stages: tuple[OvenStage, ...] = ()
    preheat_min: float | None = None
    poured: tuple[Steam, ...] = ()
    """Ways to steam with other amounts or moments than is usual."""
    paper_c: float | None = None
    """What the paper of this bake bears, C, if it is not the kitchen's."""


class FiredBody(Strict):
    """A wood oven as it stands: floor and dome (C), and how long ago it was raked out."""

    limits: ClassVar[dict[str, Limit]] = {
        "floor_c": limits.FIRED_C,
        "dome_c": limits.FIRED_C,
        "soaked_min": limits.FIRED_SOAK_MIN,
    }

    floor_c: Number
    dome_c: Number
    soaked_min: Number = 30

    def fired(self) -> Fired:
        """As the core takes it. Raises CraftError for heat that no oven has."""
        for name, limit in self.limits.items():
            within(f"fired.{name}", limit, getattr(self, name))
        return Fired(**self.model_dump())


class FallingAnswer(Shown):
    """A fired oven's afternoon: how it falls, what its floor does to flour now, and which bread has its turn when."""

    stands: list[FiredHeat]
    flour: Message
    turns: list[Turn]


class OvenLoafBody(Strict):
    """A formula's loaf; pieces and grams are the formula's unless given; cold: straight from the fridge."""

    limits: ClassVar[dict[str, Limit]] = {
        "pieces": limits.PIECES_IN_OVEN,
        "piece_g": limits.SCALING_WEIGHT_G,
    }

    formula_id: Short
    pieces: Annotated[int, Field(ge=1, le=400)] | None = None
    piece_g: Number | None = None
    cold: bool = True
    wish: Literal["usual", "thin", "thick", "soft", "tall", "shiny", "many", "little_work"] = "usual"
    fired: FiredBody | None = None

    def asked(self) -> AskedLoaf:
        """As the kitchen takes it."""
        fired = None if self.fired is None else self.fired.fired()
        return AskedLoaf(self.formula_id, self.pieces, self.piece_g, self.cold, self.wish, fired)


class OvenStageBody(Strict):
    """Minutes at a set point, C (0: oven off); covered or steaming; fan; grill."""

    minutes: Number
    setpoint_c: Number
    covered: bool = False
    fan: bool = False
    grill: bool = False


class OvenSteamBody(Strict):
    """A way to steam: grams of water, and minutes from loading; what is left out is the usual."""

    limits: ClassVar[dict[str, Limit]] = {"g": limits.STEAM_G, "at_min": limits.STEAM_AT_MIN}

    kind: Short
    g: Number | None = None
    at_min: Number | None = None


class OvenBakeBody(Strict):
    """One way for a loaf; preheating, steam and stages are drawn up unless given, the paper is the kitchen's."""

    limits: ClassVar[dict[str, Limit]] = {"paper_c": limits.PAPER_C}

    loaf: OvenLoafBody
    vessel_id: Short
    preheated: Preheated | None = None
    steam: Annotated[list[Short], Field(max_length=6)] | None = None
    stages: Annotated[list[OvenStageBody], Field(max_length=12)] = []
    preheat_min: Number | None = None
    poured: Annotated[list[OvenSteamBody], Field(max_length=6)] = []
    paper_c: Number | None = None

    def asked(self) -> AskedBake:
        """As the kitchen takes it."""
        return AskedBake(
            self.loaf.asked(),
            self.vessel_id,
            self.preheated,
            None if self.steam is None else tuple(self.steam),
            tuple(OvenStage(**stage.model_dump()) for stage in self.stages),
            self.preheat_min,
            tuple(Steam(**each.model_dump()) for each in self.poured),
            self.paper_c,
        )


class KeepBakeBody(Strict):
    """A bake to be kept under a name as one of the baker's own."""

    name: Short
    bake: OvenBakeBody


class MyBakesAnswer(Shown):
    """The baker's own bakes."""

    bakes: list[MyBake]


class OvenKindAnswer(Shown):
    """A kind of oven, vessel or steam by its name, and what it commonly is."""

    kind: str
    name: Message
    usual: dict[str, float]


class OvenAnswer(Shown):
    """What can be had: kinds of ovens, vessels and steam with their usual sizes; the criteria of a ranking."""

    ovens: list[OvenKindAnswer]
    vessels: list[OvenKindAnswer]
    steam: list[OvenKindAnswer]
    criteria: list[str]


class OvenWayAnswer(Shown):
    """One way: how it scores and why, or why it is unfit."""

    key: str
    vessel_id: str
    vessel: str
    preheated: str
    steam: list[str]
    steam_names: list[Message]
    unfit: Message
    score: float
    serves: Serves | None
    points: list[Point]
    minutes: int
    all_min: int
    loads: int
    heating_min: int
    colour: float


class OvenWaysAnswer(Shown):
    """All ways, the best first."""

    ways: list[OvenWayAnswer]


class OvenMinute(Shown):
    """One minute of a bake; C, shares, and indices of 0-100."""

    min: float
    setpoint: float
    chamber: float
    vessel: float
    crust: float
    core: float
    vapour: float
    loss: float
    colour: float
    base_colour: float


class OvenEndAnswer(Shown):
    """The loaf as it comes out."""

    core_c: float
    colour: float
    base_colour: float
    loss: float
    crust_mm: float
    spring: float
    shade: Message


class ChipAnswer(Shown):
    """A colour to hold a crust against: its word and its index, 0-100."""

    shade: Message
    colour: float

    @classmethod
    def all(cls) -> "list[ChipAnswer]":
        """From pale to very dark."""
        return [cls(shade=message(f"shade-{word}"), colour=colour) for _, word, colour in SHADES]


class OvenPoured(Shown):
    """A way to steam as it is used: its name, grams of water, and minutes from loading."""

    kind: str
    name: Message
    g: float
    at_min: float


class OvenBakeAnswer(Shown):
    """A bake drawn up or altered, and how it goes."""

    vessel_id: str
    vessel: str
    preheated: str
    steam: list[str]
    poured: list[OvenPoured]
    stages: list[OvenStageBody]
    usual: list[OvenStageBody]
    preheat_min: float
    preheat_c: float
    soak_min: int
    soak_short_k: float
    lidded: bool
    by_wood: bool
    """A fired oven has no dial: its set points mean nothing."""
    may_be_heated: list[Preheated]
    curve: list[OvenMinute]
    done: Done
    done_min: float | None
    lag: Lag
    end: OvenEndAnswer
    hazards: list[Hazard]
    loads: list[Load]
    load: LoadPlan
    touches: list[Touch]
    dials: list[Message]
    cool_min: int
    cutting: Message
    short_k: float
    said: Message
    chips: list[ChipAnswer]
    first: Message


class OvenMethodAnswer(Shown):
    """A formula's method with a bake in it, as it is written."""

    method: dict[str, Any]


class SchoolsAnswer(Shown):
    """The schools on this bake."""

    schools: list[School]


class HeatUpBody(Strict):
    """The thermometer at a minute of an empty heat-up."""

    min: Number
    c: Number


class OvenDialBody(Strict):
    """Where the dial stood, and what the thermometer read once it had settled."""

    set_c: Number
    read_c: Number


class CalibrateBody(Strict):
    """What was measured."""

    kind: OvenKind
    volume_l: Annotated[float, Field(ge=10, le=400)]
    heat_up: Annotated[list[HeatUpBody], Field(max_length=60)] = []
    dial: Annotated[list[OvenDialBody], Field(max_length=20)] = []
    browned: Literal["", "left", "right", "back", "front"] = ""


class LearntAnswer(Shown):
    """What was learnt; null: not measured."""

    heater_w: float | None
    heat_up_min: float | None
    offset_k: float | None
    hot_side: str
    said: list[Message]


class OvenLoafSignsBody(Strict):
    """A loaf as it stands there: core C, colours 0-100 by the chips, grams out of the oven."""

    bake: OvenBakeBody
    core_c: Number | None = None
    colour: Number | None = None
    base_colour: Number | None = None
    out_g: Number | None = None


class OvenTeachBody(OvenLoafSignsBody):
    """The same of a loaf that is done, to teach the oven by; after how many minutes, if not those that are drawn."""

    baked_min: Number | None = None


class OvenAsideBody(Strict):
    """A lesson that is no longer to count, or is to count again."""

    lesson: Annotated[str, Field(min_length=1, max_length=60)]
    aside: bool


class OvenLearntAnswer(Shown):
    """What bakes have taught of the oven in use, and by which bakes; the latest first."""

    heat_k: float
    heat_low_k: float
    heat_high_k: float
    pace: float
    bakes: int
    said: Message
    lessons: list[OvenLessonLine]


class SignsAnswer(Shown):
    """What to do with it; nothing: it is done."""

    loss: float | None
    signs: list[Sign]
    done: Done
