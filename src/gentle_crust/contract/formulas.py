"""Formulas and written recipes, as they are worked on and shown."""

from dataclasses import fields
from typing import Annotated, Any, ClassVar, Literal

from pydantic import Field, StringConstraints

from gentle_crust.contract.formula import FormulaBody
from gentle_crust.contract.measures import HabitsBody
from gentle_crust.contract.plans import StyleLine
from gentle_crust.contract.recipe import ReadItem, ReadQuestion, ReadSentence, ReadWarning
from gentle_crust.contract.shown import Version
from gentle_crust.contract.strict import KeyPath, Number, Short, Shown, Strict
from gentle_crust.core import limits
from gentle_crust.core.checks import Check
from gentle_crust.core.course.method import Series
from gentle_crust.core.fermentation.bulk_time import BulkTime
from gentle_crust.core.formula.compare import Difference
from gentle_crust.core.formula.edit import TIN_G_PER_ML, LockKind
from gentle_crust.core.formula.feel import Feel
from gentle_crust.core.formula.flour import MyFlour
from gentle_crust.core.formula.label import Cost, Label
from gentle_crust.core.formula.measures import Grams
from gentle_crust.core.formula.model import Formula, Preferment, Shape, Soaker, YeastKind
from gentle_crust.core.formula.scaling import Total, Weighed
from gentle_crust.core.leaven.together import Amount, SharedLevain
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import Message
from gentle_crust.core.plan.shown import ByFeel
from gentle_crust.core.plan.stages_shown import MethodView, StageShown
from gentle_crust.text.reading import Reading
from gentle_crust.text.render import PLAIN, say


class CheckAnswer(Shown):
    """One oddity: which field, what is odd and why, and what to do about it."""

    code: str
    field: str
    sentence: str
    remedy: str

    @classmethod
    def of(cls, check: Check, reading: Reading = PLAIN) -> "CheckAnswer":
        """As whoever reads it wants its figures."""
        said = say(check.what, reading)
        return cls(code=check.code, field=check.field, sentence=said.sentence, remedy=said.remedy)


class FormulaAnswer(Shown):
    """A formula, weighed for its own pieces."""

    id: str
    formula: Formula
    weighed: Weighed
    totals: list[Total]
    preferment_g: list[float]
    leaven: Literal["levain", "yeast"]
    feel: Feel
    protein_percent: float
    handling: Message
    mixing: str
    by_feel: ByFeel | None
    put_away: bool
    checks: list[CheckAnswer]
    label: Label
    cost: Cost | None
    currency: str
    scale_g: float
    tin_ml: float | None = None
    """What the tin holds that the work is locked to."""
    opened_mm: float | None = None
    """How thick a round is, opened as wide as the work says."""
    version: int = 0
    """Its newest version's number: sent back as If-Match. 0 of one that is not kept."""


class FormulaLine(Shown):
    """What a list shows of a formula, and what choosing it brings along."""

    id: str
    name: str
    shape: Shape
    leaven: Literal["levain", "yeast"]
    pieces: int
    scaling_weight_g: float
    hydration_percent: float
    dough_c: float
    feel: Message
    mixing: str
    preferments: int
    version: int
    """Its newest version's number."""


class LockBody(Strict):
    """What stays while a formula changes."""

    kind: LockKind = "pieces"
    g: Number = 0
    flour_key: Short = ""
    tin_ml: Number = 0
    g_per_ml: Number = TIN_G_PER_ML
    tin_cm: tuple[Number, Number, Number] | None = None
    """The tin's length, width and height at its rim, in place of ``tin_ml``."""
    diameter_cm: Number = 30.0
    thickness_mm: Number = 0


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


class MethodBody(Strict):
    """A formula in the making, and a style to make it in instead of by its own method."""

    formula: FormulaBody
    style: Short | None = None


class MethodStage(Shown):
    """One stage of a method as it would go in this kitchen; ``where`` it stands in what is written."""

    where: str
    part: str
    id: str
    kind: str
    name: Message
    minutes: float
    work_min: float
    place: str
    until: Message
    folds: list[Series]
    dough_c: tuple[float, float] | None
    rise: tuple[float, float] | None
    why: dict[str, Message]
    ends: dict[str, Any]
    """How it might end instead, as that would be written."""

    @classmethod
    def of(cls, stage: StageShown) -> "MethodStage":
        """As it is answered."""
        body = {each.name: getattr(stage, each.name) for each in fields(stage)}
        return cls(**{**body, "folds": list(stage.folds), "why": dict(stage.why)})


class MethodKind(Shown):
    """What may be done with a stage of one kind; ``begins`` is what one that is added begins with, null if none may."""

    kind: str
    takes: list[str]
    ends: dict[str, Any]
    begins: dict[str, Any] | None
    stays: bool
    moves: bool


class IntoBowl(Shown):
    """What goes into the bowl: as a method writes it, and what it is called."""

    id: str
    name: Message


class MethodAnswer(Shown):
    """How a formula is made: as it is written, in which style, stage by stage, and what of it cannot be."""

    method: dict[str, Any]
    style: str
    styles: list[StyleLine]
    stages: list[MethodStage]
    problems: list[Message]
    kinds: list[MethodKind]
    goes_in: list[IntoBowl]

    @classmethod
    def of(cls, view: MethodView) -> "MethodAnswer":
        """As it is answered."""
        return cls(
            method=view.written,
            style=view.style,
            styles=[StyleLine(id=each.id, name=each.name, cold=each.cold) for each in view.styles],
            stages=[MethodStage.of(each) for each in view.stages],
            problems=[each.text for each in view.problems],
            kinds=[MethodKind(**vars(each)) for each in view.kinds],
            goes_in=[IntoBowl(id=id, name=name) for id, name in view.goes_in],
        )


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


class TogetherAnswer(Shown):
    """One sum of ingredients, the heaviest first, and the levains."""

    ingredients: list[Amount]
    dough_g: float
    pieces: int
    levains: list[SharedLevain]


class VersionNameBody(Strict):
    """What to call a version."""

    name: Annotated[str, StringConstraints(max_length=200)]


class ComparedAnswer(Shown):
    """Two versions side by side."""

    lines: list[Difference]


class ItemFixBody(Strict):
    """What the baker says of an item, by its text: another stage, its grams, which yeast, or that it is left out."""

    text: Annotated[str, StringConstraints(max_length=2_000)]
    stage: Short | None = None
    g: Number | None = None
    yeast: YeastKind | None = None
    out: bool = False


class SentenceFixBody(Strict):
    """What the baker says of a sentence, by its text: the kind of its stage, or "none" if nothing happens in it."""

    text: Annotated[str, StringConstraints(max_length=2_000)]
    kind: Short


class RecipeBody(Strict):
    """A pasted recipe, whole, and what its baker has put right of the reading."""

    name: Short = ""
    text: Annotated[str, StringConstraints(max_length=20_000)]
    habits: HabitsBody = HabitsBody()
    items: Annotated[list[ItemFixBody], Field(max_length=200)] = []
    sentences: Annotated[list[SentenceFixBody], Field(max_length=200)] = []


class TimeSaid(Shown):
    """How long the recipe says a stage takes (minutes, least and most), and how long it takes in this kitchen."""

    stage: str
    said_min: list[float]
    here_min: float


class RecipeHeat(Shown):
    """A stretch in the oven as the recipe has it: set point (C), minutes, lid, fan, turned in it or not."""

    setpoint_c: float
    minutes: float
    covered: bool
    fan: bool
    turn: bool


class RecipeStage(Shown):
    """A stage as it goes in this kitchen: its name, what ends it if no time does, its minutes and sets of folds.

    ``heats``: of a bake, its stretches in the oven as the recipe has them.
    """

    id: str
    kind: str
    name: Message
    told: Message
    minutes: float
    place: str
    folds: int
    heats: list[RecipeHeat]


class RecipeAnswer(Shown):
    """A recipe as it was read, and the formula that comes of it; without one, why not.

    ``told``: whether the recipe told how it is made; else the method is the style that suits.
    """

    items: list[ReadItem]
    percent: dict[str, Grams]
    warnings: list[ReadWarning]
    unread: list[str]
    sentences: list[ReadSentence]
    questions: list[ReadQuestion]
    stages: list[RecipeStage]
    times: list[TimeSaid]
    told: bool
    formula: FormulaAnswer | None
    why_not: str


class SwapBody(Strict):
    """Which leaven instead."""

    leaven: Literal["levain", "yeast"]


class SwapAnswer(Shown):
    """The formula with the other leaven, weighed, and bulk before and after."""

    formula: FormulaAnswer
    before: BulkTime
    after: BulkTime


class VersionsAnswer(Shown):
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


class NameQuery(Shown):
    """A part of a name; empty for all."""

    name: Short = ""


class FormulasAnswer(Shown):
    """Formulas, and whether there are more of that name."""

    formulas: list[FormulaLine]
    more: bool = False


class IngredientsAnswer(Shown):
    """The names of all flours, and what a new formula or preferment begins from."""

    flours: dict[str, Message]
    new: Formula
    preferments: dict[str, Preferment]
    soakers: dict[str, Soaker]
    by_feel_points: float
    tin_g_per_ml: float
    mine: list[MyFlour]
