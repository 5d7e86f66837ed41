"""Requests and responses. Responses are made of the core's own dataclasses, so they cannot drift from it."""

from datetime import datetime
from typing import Annotated, Literal

from pydantic import AllowInfNan, BaseModel, ConfigDict, Field, StringConstraints

from gentle_crust.core.culture.swap import BulkTime
from gentle_crust.core.formula.checks import Check
from gentle_crust.core.formula.measures import Grams
from gentle_crust.core.formula.model import Formula, Preferment
from gentle_crust.core.formula.scaling import Weighed
from gentle_crust.core.oven.profile import Oven, Vessel
from gentle_crust.core.scheduling.mends import Mend
from gentle_crust.core.scheduling.result import Plan
from gentle_crust.interchange.recipe_text import ReadLine, ReadWarning
from gentle_crust.kitchen.formulas import Version
from gentle_crust.kitchen.plans import Asked, NextStep
from gentle_crust.kitchen.settings import Settings

Number = Annotated[float, AllowInfNan(False)]
Short = Annotated[str, StringConstraints(max_length=80)]


class Strict(BaseModel):
    """A request: unknown fields are refused."""

    model_config = ConfigDict(extra="forbid")


class AskedBody(Strict):
    """What a plan is asked for; omitted fields come from the formula and the kitchen."""

    formula_id: Short
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

    kind: Literal["electric", "electric_fan", "gas", "built_in_steam", "wood"] = "electric"
    top_c: Number = 250


class VesselBody(Strict):
    """One vessel."""

    id: Short
    kind: Short
    name: Short
    count: int = 1


class KitchenBody(Strict):
    """The kitchen, whole."""

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
    fahrenheit: bool = False
    ounces: bool = False

    def settings(self) -> Settings:
        """As the kitchen takes it."""
        values = self.model_dump(exclude={"oven", "vessels"})
        vessels = tuple(Vessel(**vessel.model_dump()) for vessel in self.vessels)
        return Settings(**values, oven=Oven(**self.oven.model_dump()), vessels=vessels)


class KeyPath(BaseModel):
    """A key in the path."""

    key: Annotated[str, StringConstraints(pattern=r"^[A-Za-z0-9-]{1,60}$")]


class KitchenAnswer(BaseModel):
    """The kitchen and what time it is there."""

    settings: Settings
    now: datetime
    frozen: bool
    vessel_kinds: dict[str, str]


class FormulaAnswer(BaseModel):
    """A formula, weighed for its own pieces."""

    id: str
    formula: Formula
    weighed: Weighed
    feel: str
    handling: str
    put_away: bool
    flour_names: dict[str, str]
    checks: list[Check]


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


class VersionPath(KeyPath):
    """A formula and the number of one of its versions."""

    number: int


class FormulasAnswer(BaseModel):
    """All formulas, the names of all flours, and what a new formula or preferment begins from."""

    formulas: list[FormulaAnswer]
    flours: dict[str, str]
    new: Formula
    preferments: dict[str, Preferment]


class PlanAnswer(BaseModel):
    """A plan with the question it answers."""

    asked: Asked
    formula: Formula
    formula_put_away: bool
    plan: Plan


class SavedPlanAnswer(PlanAnswer):
    """A plan as it was saved."""

    id: str
    saved_at: datetime


class PlanLineAnswer(BaseModel):
    """One line of the saved plans."""

    id: str
    formula_name: str
    pieces: int
    ready: datetime
    begins: datetime
    saved_at: datetime
    next_step: NextStep | None


class PlansAnswer(BaseModel):
    """Saved plans."""

    plans: list[PlanLineAnswer]


class MendsAnswer(BaseModel):
    """Single changes that would make the wish come true."""

    mends: list[Mend]
