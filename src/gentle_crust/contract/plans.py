"""Plans, as they are asked for and shown."""

from datetime import datetime
from typing import Annotated, Any, ClassVar, Literal

from pydantic import Field, StringConstraints

from gentle_crust.contract.asked import Asked
from gentle_crust.contract.log import TrialShown
from gentle_crust.contract.method import CourseMethodBody
from gentle_crust.contract.pages import PageQuery
from gentle_crust.contract.shown import Measure, PlanLine, Question, TakenReading
from gentle_crust.contract.strict import KeyPath, Number, Short, Shown, Strict
from gentle_crust.core import limits
from gentle_crust.core.course.taken import What
from gentle_crust.core.culture.shared import SharedBuild
from gentle_crust.core.fermentation.inverse import Turned
from gentle_crust.core.fermentation.marks import Mark
from gentle_crust.core.fermentation.targets import School
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import Message
from gentle_crust.core.plan.shown import Costs, Plan, Problem, Proof, Ribbon
from gentle_crust.core.plan.what_if import WhatIf
from gentle_crust.core.plan.why import Why


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
    ready_parts: Annotated[dict[Short, Short], Field(max_length=40)] | None = Field(
        None, description="The same for parts of the dough by their names; one left out follows the first"
    )
    ready_means: Literal["out", "cut"] = "out"
    style: Short | None = Field(None, description="Omitted, and without a method: the one that suits the formula")
    method: CourseMethodBody | None = None
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
    yeast_strength: Number | None = Field(None, description="By the dry yeast's last test, whatever is sent")
    learnt: dict[str, Any] | None = Field(None, description="What bakes have taught, whatever is sent")
    mind: Annotated[str, StringConstraints(max_length=300)] | None = Field(None, description="What to mind this time")
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
        given = self.model_dump(exclude={"method", "learnt"})
        method = None if self.method is None else self.method.model_dump(by_alias=True, exclude_none=True)
        return Asked(**given, method=method)


class BesideQuery(Shown):
    """The saved plan that a question is a change of: it does not stand in its own way."""

    plan: Short = ""


class StyleLine(Shown):
    """A style by its id and its name, and whether its dough stands in the fridge."""

    id: str
    name: Message
    cold: bool


class TrialOfferLine(Shown):
    """A trial that this plan can be: what differs, what is done with either part, and the method in two parts."""

    code: str
    title: Message
    parts: list[str]
    says: list[Message]
    method: dict[str, Any]


class TrialOffersAnswer(Shown):
    """Trials that a plan can be."""

    offers: list[TrialOfferLine]


class OtherTakes(Shown):
    """What another plan or dough takes of the kitchen while this one goes on: hands, the oven, or the fridge."""

    what: What
    name: str
    start: datetime
    end: datetime


class PlanAnswer(Shown):
    """A plan with the question it answers."""

    others: list[OtherTakes]

    asked: Asked
    formula: Formula
    formula_put_away: bool
    newest_version: int
    plan: Plan
    marks: list[Mark]
    styles: list[StyleLine]
    """The styles that suit the formula and the kitchen."""


class PartLetter(Shown):
    """A part, and the letter that it goes by."""

    part: str
    letter: str


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
    trials: list[TrialShown] = []
    """Those of which it is a side."""
    letters: list[PartLetter] = []
    """What each part of a blind trial goes by until it is judged, for whoever marks the pieces."""


class PlanDoneAnswer(Shown):
    """A saved plan that was put away or brought back."""

    plan: PlanLine


class PlansQuery(PageQuery):
    """Which saved plans: those that are baked too, unless they are not wanted."""

    baked: bool = True


class PlansAnswer(Shown):
    """Saved plans."""

    plans: list[PlanLine]
    more: str = ""
    """Where the next page begins; empty on the last."""


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


class WayAnswer(Shown):
    """One way to get there: a style, what speaks for it, and its plan; without one, why not."""

    style: str
    title: Message
    gives: Message
    why_not: str
    ready: datetime | None
    ribbon: Ribbon | None
    costs: Costs | None
    proof_share: Proof | None
    problems: list[Problem]


class WaysAnswer(Shown):
    """The ways to get there."""

    ways: list[WayAnswer]


class WhatIfsAnswer(Shown):
    """Shades over a plan."""

    shades: list[WhatIf]


class WhyAnswer(Shown):
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


class TurnAnswer(Shown):
    """The answer in words, its unit, and what it leans on."""

    turned: Turned
    unit: Literal["h", "percent", "c"]


class MendAnswer(Shown):
    """One change that would do: what of the question takes which value, and a sentence that says so."""

    sentence: Message
    change: dict[str, Any]


class MendsAnswer(Shown):
    """Single changes that would make the wish come true."""

    mends: list[MendAnswer]
