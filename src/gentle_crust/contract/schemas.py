"""Requests and responses. Responses are made of the core's own dataclasses, so they cannot drift from it."""

from datetime import datetime
from typing import Annotated, ClassVar, Literal

from pydantic import BaseModel, Field, StringConstraints

from gentle_crust.contract.asked import Asked
from gentle_crust.contract.formula import FormulaBody, MyFlourBody
from gentle_crust.contract.kitchen import Pantry, Settings
from gentle_crust.contract.recipe import ReadLine, ReadWarning
from gentle_crust.contract.shown import Measure, NextStep, Question, TakenReading, Version
from gentle_crust.contract.strict import Number, Short, Strict
from gentle_crust.core import limits
from gentle_crust.core.culture.shared import SharedBuild
from gentle_crust.core.fermentation.bulk_time import BulkTime
from gentle_crust.core.fermentation.inverse import Turned
from gentle_crust.core.fermentation.marks import Mark
from gentle_crust.core.fermentation.targets import School
from gentle_crust.core.formula.checks import Check
from gentle_crust.core.formula.compare import Difference
from gentle_crust.core.formula.edit import TIN_G_PER_ML, LockKind
from gentle_crust.core.formula.feel import Feel
from gentle_crust.core.formula.flour import MyFlour
from gentle_crust.core.formula.label import Cost, Label
from gentle_crust.core.formula.measures import Grams
from gentle_crust.core.formula.model import Formula, Preferment, Soaker, YeastKind
from gentle_crust.core.formula.scaling import Total, Weighed
from gentle_crust.core.formula.together import Amount, SharedLevain
from gentle_crust.core.limits import Limit
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.oven.steps import Tool
from gentle_crust.core.scheduling.mends import Mend
from gentle_crust.core.scheduling.result import ByFeel, Costs, Plan, Problem, Proof, Ribbon
from gentle_crust.core.scheduling.ways import WayCode
from gentle_crust.core.scheduling.what_if import WhatIf
from gentle_crust.core.scheduling.why import Why


class AskedBody(Strict):
    """What a plan is asked for; omitted fields come from the formula and the kitchen."""

    limits: ClassVar[dict[str, Limit]] = {
        "pieces": limits.PIECES,
        "scaling_weight_g": limits.SCALING_WEIGHT_G,
        "dough_c": limits.DOUGH_C,
        "folds": limits.FOLDS,
        "fridge_days": limits.FRIDGE_DAYS,
        "later_days": limits.LATER_DAYS,
        "levain_percent": limits.LEVAIN_PERCENT,
        "yeast_supplement_percent": limits.YEAST_SUPPLEMENT_PERCENT,
        "yeast_percent": limits.ASKED_YEAST_PERCENT,
        "stand_c": limits.STAND_C,
        "room_day_c": limits.ROOM_DAY_C,
        "room_night_c": limits.ROOM_NIGHT_C,
        "fridge_c": limits.FRIDGE_C,
        "tap_c": limits.TAP_C,
    }

    formula_id: Short
    version: int | None = Field(None, description="The formula's version; omitted: the newest")
    pieces: int | None = None
    scaling_weight_g: Number | None = None
    ready: Short | None = Field(
        None, description="Kitchen's wall clock, 2026-11-29T07:30; omitted: the first good time"
    )
    ready_means: Literal["out", "cut"] = "out"
    proof: Literal["room", "cold"] | None = None
    vessel_id: Short | None = None
    dough_c: Number | None = None
    culture: Literal["lively", "hungry"] = "lively"
    fridge_days: int = 0
    school: School = "by_dough"
    folds: int | None = None
    later_pieces: int = 0
    later_days: int = 1
    levain_percent: Number | None = None
    yeast_supplement_percent: Number = 0
    yeast_percent: Number | None = Field(None, description="Yeast in the dough; omitted: the formula's")
    stand_c: Number | None = Field(
        None, description="A warm or cool place for levain, bulk and proof; omitted: the kitchen"
    )
    culture_id: Short | None = Field(
        None, description="Omitted: the best of the kitchen's cultures; empty: none of them"
    )
    room_day_c: Number | None = None
    room_night_c: Number | None = None
    fridge_c: Number | None = None
    tap_c: Number | None = None
    sleep_from: Short | None = None
    sleep_to: Short | None = None
    zone: Short | None = None

    def asked(self) -> Asked:
        """As the kitchen takes it."""
        return Asked(**self.model_dump())


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

    kind: Literal["electric", "electric_fan", "gas", "built_in_steam", "wood"] = "electric"
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

    def settings(self) -> Settings:
        """As the kitchen takes it."""
        values = self.model_dump(exclude={"oven", "vessels", "steam", "other_ovens", "tools"})
        vessels = tuple(Vessel(**vessel.model_dump()) for vessel in self.vessels)
        oven = Oven(**self.oven.model_dump())
        others = tuple(Oven(**each.model_dump()) for each in self.other_ovens)
        means = {"steam": tuple(self.steam), "tools": tuple(self.tools)}
        return Settings(**values, oven=oven, other_ovens=others, vessels=vessels, **means)


class KeyPath(BaseModel):
    """A key in the path."""

    key: Annotated[str, StringConstraints(pattern=r"^[A-Za-z0-9-]{1,60}$")]


class PhoneAnswer(BaseModel):
    """The address on the kitchen's network and its QR code as a picture; empty if it is not served there."""

    address: str
    qr: str


class KitchenAnswer(BaseModel):
    """The kitchen and what time it is there."""

    settings: Settings
    now: datetime
    rate: float
    """How fast the program's clock runs: 1, or 0 if it stands still."""
    vessel_kinds: dict[str, str]
    etag: str
    """Names the state that this is: sent back as If-Match, it keeps others' changes from being overwritten."""
    can_undo: bool


class FormulaAnswer(BaseModel):
    """A formula, weighed for its own pieces."""

    id: str
    formula: Formula
    weighed: Weighed
    totals: list[Total]
    preferment_g: list[float]
    leaven: Literal["levain", "yeast"]
    feel: Feel
    protein_percent: float
    handling: str
    mixing: str
    by_feel: ByFeel | None
    put_away: bool
    checks: list[Check]
    label: Label
    cost: Cost | None
    currency: str
    scale_g: float
    version: int = 0
    """Its newest version's number: sent back as If-Match. 0 of one that is not kept."""


class LockBody(Strict):
    """What stays while a formula changes."""

    kind: LockKind = "pieces"
    g: Number = 0
    flour_key: Short = ""
    tin_ml: Number = 0
    g_per_ml: Number = TIN_G_PER_ML


class ChangeBody(Strict):
    """One line of the formula set by grams in the whole batch, or by its share (0-1) of the dough."""

    line: Short
    g: Number | None = None
    share: Number | None = None


class WorkBody(Strict):
    """A formula in the making: what is locked, and one change by grams, by share, or of the yeast's kind."""

    formula: FormulaBody
    lock: LockBody = LockBody()
    change: ChangeBody | None = None
    yeast_kind: YeastKind | None = None


class DayBatchBody(Strict):
    """How many of a formula on one day; its own pieces and weight if not given."""

    formula_id: Short
    pieces: int | None = None
    scaling_weight_g: Number | None = None


class TogetherBody(Strict):
    """Several formulas on one day."""

    limits: ClassVar[dict[str, Limit]] = {
        "kept_g": limits.KEPT_IN_ALL_G,
        "ratio": limits.FEED_RATIO,
    }

    batches: Annotated[list[DayBatchBody], Field(min_length=1, max_length=20)]
    kept_g: Number = 0
    ratio: Number = 3


class TogetherAnswer(BaseModel):
    """One sum of ingredients, the heaviest first, and the levains."""

    ingredients: list[Amount]
    dough_g: float
    pieces: int
    levains: list[SharedLevain]


class VersionNameBody(Strict):
    """What to call a version."""

    name: Annotated[str, StringConstraints(max_length=200)]


class ComparedAnswer(BaseModel):
    """Two versions side by side."""

    lines: list[Difference]


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


class UsualFlour(BaseModel):
    """A kind of flour with its usual figures."""

    kind: str
    name: str
    absorption_percent: float
    protein_percent: float


class PantryAnswer(BaseModel):
    """The pantry, the table's flours with their usual figures, and what is bought for the formulas."""

    pantry: Pantry
    usual: list[UsualFlour]
    bought: list[str]
    etag: str
    can_undo: bool


class HabitsBody(Strict):
    """How the baker measures."""

    cup_ml: Number = 236.6
    flour: Literal["unknown", "spooned", "scooped"] = "unknown"
    salt: Literal["unknown", "table", "fine_sea", "flaky"] = "unknown"
    liquid_ounces: Literal["ask", "weight", "volume"] = "ask"


class RecipeBody(Strict):
    """A pasted recipe: its ingredient lines."""

    name: Short = ""
    text: Annotated[str, StringConstraints(max_length=20_000)]
    habits: HabitsBody = HabitsBody()


class RecipeAnswer(BaseModel):
    """A recipe as it was read, and the formula that comes of it; without one, why not."""

    items: list[ReadLine]
    percent: dict[str, Grams]
    warnings: list[ReadWarning]
    unread: list[str]
    formula: FormulaAnswer | None
    why_not: str


class SwapBody(Strict):
    """Which leaven instead."""

    leaven: Literal["levain", "yeast"]


class SwapAnswer(BaseModel):
    """The formula with the other leaven, weighed, and bulk before and after."""

    formula: FormulaAnswer
    before: BulkTime
    after: BulkTime


class VersionsAnswer(BaseModel):
    """All saved states of a formula, the newest first."""

    versions: list[Version]


class ExportPath(KeyPath):
    """A formula and the format it is wanted in."""

    form: Literal["json", "recipe", "csv", "text"]


class ComparePath(KeyPath):
    """A formula and two of its versions."""

    before: int
    after: int


class VersionPath(KeyPath):
    """A formula and the number of one of its versions."""

    number: int


class FormulasAnswer(BaseModel):
    """All formulas, the names of all flours, and what a new formula or preferment begins from."""

    formulas: list[FormulaAnswer]
    flours: dict[str, str]
    new: Formula
    preferments: dict[str, Preferment]
    soakers: dict[str, Soaker]
    by_feel_points: float
    tin_g_per_ml: float
    mine: list[MyFlour]


class PlanAnswer(BaseModel):
    """A plan with the question it answers."""

    asked: Asked
    formula: Formula
    formula_put_away: bool
    newest_version: int
    plan: Plan
    marks: list[Mark]


class SavedPlanAnswer(PlanAnswer):
    """A plan as it was saved."""

    id: str
    saved_at: datetime
    readings: list[TakenReading]
    followed: Plan | None
    started: datetime | None
    """When it came to the bench."""
    etag: str
    can_undo: bool
    """Whether it was saved over, and can be had back as it was."""
    baked: bool = False
    """Whether it has left the bench again: its record is among the bakes."""
    shared: SharedBuild | None
    """The levain build that it shares with other saved plans."""


class PlanLineAnswer(BaseModel):
    """One line of the saved plans."""

    id: str
    formula_name: str
    pieces: int
    ready: datetime
    begins: datetime
    saved_at: datetime
    next_step: NextStep | None
    state: Literal["planned", "on_bench", "baked"] = "planned"


class PlansAnswer(BaseModel):
    """Saved plans."""

    plans: list[PlanLineAnswer]


class ReadingBody(Strict):
    """A reading: percent of rise, a line in ml, a height in mm with that at first, celsius, or judged ready."""

    measure: Measure
    value: Number = 0
    start: Number | None = None
    at: Short | None = Field(None, description="Kitchen's wall clock, 2026-11-29T07:30; omitted: now")
    sure: bool = False


class ReadingPath(KeyPath):
    """A plan and one of its readings."""

    reading: Annotated[str, StringConstraints(pattern=r"^[A-Za-z0-9-]{1,50}$")]


class WayAnswer(BaseModel):
    """One way to get there; without a plan, why not."""

    code: WayCode
    title: str
    gives: str
    proof: Literal["room", "cold"]
    dough_c: float
    fridge_days: int
    why_not: str
    ready: datetime | None
    ribbon: Ribbon | None
    costs: Costs | None
    proof_share: Proof | None
    problems: list[Problem]


class WaysAnswer(BaseModel):
    """The ways to get there."""

    ways: list[WayAnswer]


class WhatIfsAnswer(BaseModel):
    """Shades over a plan."""

    shades: list[WhatIf]


class WhyAnswer(BaseModel):
    """What drives a plan's bulk."""

    why: Why


class TurnBody(Strict):
    """A question turned round: what must be so that bulk has risen by ``rise`` after ``hours``."""

    limits: ClassVar[dict[str, Limit]] = {
        "rise": limits.ASKED_RISE,
    }

    asked: AskedBody
    question: Question
    rise: Number
    hours: Number
    room_h: Number = 2


class TurnAnswer(BaseModel):
    """The answer in words, its unit, and what it leans on."""

    turned: Turned
    unit: Literal["h", "percent", "c"]


class MendsAnswer(BaseModel):
    """Single changes that would make the wish come true."""

    mends: list[Mend]
