"""The bench: presses, readings and figures as they are sent, doughs as they are shown."""

from dataclasses import dataclass
from datetime import datetime
from typing import Annotated, Any, ClassVar, Literal

from pydantic import AwareDatetime, Field, StringConstraints

from gentle_crust.contract.bakes import AskingLine, BakeLine, BakeRecord
from gentle_crust.contract.log import TrialShown
from gentle_crust.contract.oven import ChipAnswer
from gentle_crust.contract.strict import KeyPath, Number, Short, Shown, Strict
from gentle_crust.core import limits
from gentle_crust.core.bench.clashes import Clash
from gentle_crust.core.bench.edit import EditCode
from gentle_crust.core.bench.live import LiveStep
from gentle_crust.core.bench.offers import Offer, Tried
from gentle_crust.core.bench.remedies import Remedy
from gentle_crust.core.bench.standing import Standing
from gentle_crust.core.fermentation.probe import ProbeSays
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import Message
from gentle_crust.core.plan.shown import PartOut, Ribbon
from gentle_crust.core.readiness.cues import Cue, Stage
from gentle_crust.core.readiness.judge import Verdict

Key = Annotated[str, StringConstraints(pattern=r"^[A-Za-z0-9-]{1,50}$")]


Body = Annotated[dict[str, Any], Field(max_length=40)]


PressKind = Literal[
    "bake_started", "bake_step", "bake_not_yet", "bake_snoozed", "bake_note", "bake_changed", "bake_judged",
    "bake_edited", "bake_outcome", "bake_loaf", "bake_removed", "bake_finished", "bake_stopped", "bake_probe",
    "bake_scaled", "bake_sliced", "bake_water", "reading", "bake_withdrawn", "bake_corrected", "absence",
    "absence_withdrawn",
]  # fmt: skip


MOST_PRESSES = 500


@dataclass(frozen=True)
class Probe:
    """The thermometer in a dough, its last word, and a question if it is hard to believe."""

    device: str
    says: ProbeSays
    at: datetime | None


@dataclass(frozen=True)
class AwayNote:
    """An absence, by its key."""

    id: str
    start: datetime
    end: datetime


@dataclass(frozen=True)
class SetAside:
    """A dough that cannot be carried on with, by its plan's key and name, and why: all others are."""

    id: str
    name: str
    sentence: Message


@dataclass(frozen=True)
class Score:
    """How often a judged proof came out as it was judged."""

    right: int
    judged: int


class CursorQuery(Shown):
    """What the browser has already."""

    cursor: Short = ""


class SmallQuery(Shown):
    """Whether a small picture will do."""

    small: bool = False


class StageQuery(Shown):
    """A stage other than the one that the dough is at."""

    stage: Stage | None = None


class PhotoQuery(Shown):
    """Of which part of a dough a photo is; empty if of all."""

    part: Short = ""


class PhotoPath(KeyPath):
    """A dough and one of its photos."""

    photo: Key


class PressBody(Strict):
    """Something pressed, under the client's own key, at its true time."""

    id: Key
    dough: Annotated[str, StringConstraints(pattern=r"^[A-Za-z0-9-]{0,50}$")] = ""
    kind: PressKind
    at: AwareDatetime
    body: Body = {}


class PressesBody(Strict):
    """Presses in their order, and what the sender's clock says: a clock that is wrong is put right."""

    sent_at: AwareDatetime
    presses: Annotated[list[PressBody], Field(max_length=MOST_PRESSES)]


class MixedBody(Strict):
    """A dough that was mixed without a plan."""

    event: Key
    formula_id: Short
    pieces: int | None = None
    scaling_weight_g: Number | None = None
    style: Short | None = None
    dough_c: Number | None = None
    mixed_at: AwareDatetime


class JudgeBody(Strict):
    """What is seen, and at which stage if not the one that the dough is at."""

    stage: Stage | None = None
    cues: Annotated[dict[str, str | Number], Field(max_length=20)] = {}


class EditWish(Strict):
    """A change by hand: its times by the kitchen's wall clock, 2026-11-29T07:30."""

    limits: ClassVar[dict[str, Limit]] = {"minutes": limits.EXTRA_STAGE_MIN}

    code: EditCode
    stage: Short = ""
    until: Short = ""
    kind: Short = ""
    minutes: Number | None = None
    pieces: int | None = None
    vessel: Short = ""
    dough_g: Number | None = None


class SampleBody(Strict):
    """One figure of an instrument."""

    device: Short
    quantity: Literal["dough_c", "room_c", "fridge_c", "oven_c", "scale_g", "level_mm"]
    at: AwareDatetime
    value: Number


class SamplesBody(Strict):
    """Figures, and what the sender's clock says."""

    sent_at: AwareDatetime
    samples: Annotated[list[SampleBody], Field(max_length=5000)]


class LogQuery(Shown):
    """Whose log a CSV file is, what it measures, and the unit where the file does not say."""

    device: Short = "logger"
    quantity: Literal["dough_c", "room_c", "fridge_c", "oven_c"] = "dough_c"
    fahrenheit: bool | None = None


class ToldAnswer(Shown):
    """One event."""

    id: str
    kind: str
    at: datetime
    body: dict[str, Any]


class DoughAnswer(Shown):
    """A dough at the bench."""

    id: str
    name: str
    mind: str
    """What its baker wanted to mind this time."""
    pieces: int
    each_g: float
    vessel: str
    vessel_kind: str
    rye_percent: float
    started: datetime
    mixed: datetime
    out: datetime
    load: datetime
    steps: list[LiveStep]
    next: str | None
    over: bool
    standing: Standing
    may_fold: bool
    ribbon: Ribbon
    outs: list[PartOut]
    """Its parts, if its pieces go different ways."""
    told: Message
    doubts: list[Message]
    clashes: list[Clash]
    snoozed: dict[str, datetime]
    history: list[ToldAnswer]
    """The latest of what happened; the record has all of it."""
    events_in_all: int
    probe: Probe | None
    judged_bulk_rise: float


class BenchAnswer(Shown):
    """Everything at the bench; ``unchanged`` with nothing else if the browser has it already."""

    cursor: str
    unchanged: bool = False
    now: datetime
    clock_back: bool = False
    aside: list[SetAside] = []
    """Doughs that cannot be carried on with."""
    doughs: list[DoughAnswer] = []
    absences: list[AwayNote] = []
    heard: dict[str, datetime] = {}


class RefusedPress(Shown):
    """A press that could not be kept, and why."""

    id: str
    field: str
    sentence: str
    remedy: str
    keep: bool = False
    """The program failed over it: whoever pressed it keeps it, to be sent again some day."""


class PressedAnswer(Shown):
    """What became of presses, and the bench after them."""

    taken: list[str]
    refused: list[RefusedPress]
    bench: BenchAnswer


class RemediesAnswer(Shown):
    """Ways out, and rescues."""

    remedies: list[Remedy]
    rescues: list[Remedy]


class OffersAnswer(Shown):
    """What may be changed by hand now."""

    offers: list[Offer]


class TriedAnswer(Shown):
    """What a change by hand would come to."""

    tried: Tried


class CuesAnswer(Shown):
    """How it stands, and what can be looked at."""

    standing: Standing
    cues: list[Cue]


class VerdictAnswer(Shown):
    """A verdict."""

    verdict: Verdict


class RecordAnswer(Shown):
    """A bake's whole record: what counts, and what was taken back."""

    id: str
    name: str
    events: list[ToldAnswer]
    withdrawn: list[ToldAnswer]
    complete: bool
    unreadable: list[ToldAnswer] = []
    """What is kept but cannot be read."""


class AskingAnswer(Shown):
    """Bakes of which something may be asked, the latest first."""

    bakes: list[AskingLine]


class BakesAnswer(Shown):
    """Bakes, the latest first."""

    bakes: list[BakeLine]
    more: str = ""
    """Where the next page begins; empty on the last."""


class BakeAnswer(Shown):
    """One bake's record."""

    bake: BakeRecord
    chips: list[ChipAnswer]
    """Colours to hold a crust against."""
    trials: list[TrialShown] = []
    """Those of which it is a side."""


class ScoreAnswer(Shown):
    """How often judged proofs came out as judged."""

    score: Score


class FiguresAnswer(Shown):
    """What was taken of an instrument's figures."""

    taken: int
    first: datetime | None
    last: datetime | None
