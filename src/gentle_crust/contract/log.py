"""The log: bakes sought, side by side, as trials, over time, and with their formula."""

from dataclasses import dataclass, field
from datetime import datetime
from typing import Annotated, Any, Literal

from pydantic import Field, StringConstraints

from gentle_crust.contract.asked import Asked
from gentle_crust.contract.bakes import BakeFigures, BakeLine, Drawn, LoafLine, RecordPhoto
from gentle_crust.contract.pages import PageQuery
from gentle_crust.contract.strict import Short, Shown, Strict
from gentle_crust.core.crumb.read import CrumbRead
from gentle_crust.core.diagnosis.diagnose import Diagnosis
from gentle_crust.core.formula.compare import Difference
from gentle_crust.core.loaf.compare import Compared
from gentle_crust.core.loaf.sheet import Measured, Sheet
from gentle_crust.core.loaf.trial import Pooled, Trial
from gentle_crust.core.messages import Message

SEASONS: dict[str, tuple[int, ...]] = {
    "dec_feb": (12, 1, 2), "mar_may": (3, 4, 5), "jun_aug": (6, 7, 8), "sep_nov": (9, 10, 11),
}  # fmt: skip
"""Quarters of the year by their months: which of them is summer, the kitchen's place says."""
Key = Annotated[str, StringConstraints(pattern=r"^[A-Za-z0-9-]{1,60}$")]
Clock = Annotated[str, StringConstraints(pattern=r"^\d{4}-\d\d-\d\dT\d\d:\d\d$")]


class BakesQuery(PageQuery):
    """Which bakes: ``name`` holds words of their name or notes; all that is given holds of them."""

    formula: Short = ""
    culture: Short = ""
    fault: Short = ""
    liked: Annotated[int, Field(ge=1, le=5)] | None = None
    season: Short = ""


class OutQuery(Shown):
    """What of the log is written out: all, or one bake, or the bakes of one formula."""

    bake: Short = ""
    formula: Short = ""


class CompareQuery(Shown):
    """Bakes to be held side by side: their keys, a part after a colon, one after the other with commas."""

    of: Annotated[str, StringConstraints(max_length=600)]


class DiagnosisQuery(Shown):
    """Of which part, and faults that its sheet has no place for, with commas."""

    part: Short = ""
    more: Annotated[str, StringConstraints(max_length=200)] = ""


@dataclass(frozen=True)
class Choice:
    """Something to choose by: its key, and what it is called."""

    key: str
    name: str
    count: int = 0


@dataclass(frozen=True)
class FaultChoice:
    """A fault that some loaf of the log showed."""

    key: str
    name: Message


class DiagnosisAnswer(Shown):
    """A loaf's faults in words, and the diagnosis; None while no fault was seen. ``others``: what else may be seen.

    ``in_front``: how many of its causes are told at length; ``stands_out``: whether the first is one to act on.
    """

    faults: list[FaultChoice]
    others: list[FaultChoice]
    diagnosis: Diagnosis | None
    in_front: int
    stands_out: bool
    change_in_formula: bool = False
    """Whether its change is to be made in the formula."""


class OnceMoreAnswer(Shown):
    """A bake once more with one change: what a plan is asked for, what it takes over, and whether the change is to be
    made in the formula instead."""

    asked: Asked
    takes: list[Message]
    change: Message
    in_formula: bool
    formula_id: str


class SliceQuery(Shown):
    """How wide the slice itself is, mm, and how far its baker moves the threshold: more than 0 finds more holes."""

    width_mm: float
    shift: float = 0.0


class SliceAnswer(Shown):
    """A slice that was measured, nothing kept; its holes as rings of points, shares of the photo's width and height."""

    read: CrumbRead
    rings: list[list[tuple[float, float]]]
    doubt: Message | None
    """Why the photo cannot be read, if it cannot."""
    mind: Message | None
    """What its baker should look at before the figures are kept."""


@dataclass(frozen=True)
class Choices:
    """What a log can be searched by; how many bakes it has, and how many were taken out of it."""

    formulas: tuple[Choice, ...]
    cultures: tuple[Choice, ...]
    faults: tuple[FaultChoice, ...]
    bakes: int
    removed: int


@dataclass(frozen=True)
class StageSpan:
    """A stretch of a bake's way, minutes from its mixing; ``differs`` from the others'."""

    code: Literal["bulk", "proof", "bake"]
    from_min: float
    to_min: float
    differs: bool


@dataclass(frozen=True)
class SideShown:
    """One bake, or part of one, beside others: ``mixed`` when its mixing began, ``spans`` counted from there."""

    key: str
    part: str
    name: str
    line: BakeLine
    drawn: Drawn | None
    mixed: datetime | None
    spans: tuple[StageSpan, ...]
    sheet: Sheet | None
    measured: Measured | None
    top: Message | None
    base: Message | None
    photos: tuple[RecordPhoto, ...]
    notes: tuple[str, ...]


@dataclass(frozen=True)
class FigurePoint:
    """A bake in figures over time."""

    id: str
    name: str
    at: datetime
    liked: int | None
    figures: BakeFigures


@dataclass(frozen=True)
class CameOut:
    """How often a verdict on the final proof came out so."""

    verdict: str
    how: str
    count: int


@dataclass(frozen=True)
class Right:
    """How right forecasts and verdicts were over some bakes.

    Of so many rises ``read`` so many lay ``inside`` their band. ``late_min``: by how much doughs came later than
    forecast, by the middle reading; half of the readings lie ``within_min`` of their forecast. Of so many ``verdicts``
    on final proofs so many came out ``as_judged``.
    """

    bakes: int
    read: int
    inside: int
    late_min: int | None
    within_min: int | None
    judged: tuple[CameOut, ...]
    as_judged: int
    verdicts: int


@dataclass(frozen=True)
class TrialShown:
    """A trial as it is shown: its sides as they may be known by now, and what it can tell."""

    id: str
    formula_id: str
    formula_name: str
    at: datetime
    trial: Trial
    sides: tuple[BakeLine | None, ...]
    """The bakes of its sides; None of one that was not begun, or that is gone."""
    loaves: tuple[LoafLine | None, ...]
    """What was said of the loaf of each side."""
    ready: bool
    """Whether all of its sides are baked."""
    pooled: Pooled
    """With all other trials of its question on the same formula."""
    put_away: bool = False
    apart: tuple[Message, ...] = ()
    """By how much what was measured differs between its sides, over all of those trials; of one asked for by itself."""


@dataclass(frozen=True)
class VersionStory:
    """A version of a formula and what came of it, the latest bake first."""

    number: int | None
    name: str
    saved_at: datetime | None
    changes: tuple[Difference, ...]
    bakes: tuple[BakeLine, ...]
    in_all: int
    liked: float | None
    """What its bakes were liked on average."""


@dataclass(frozen=True)
class History:
    """A formula's story, the newest version first."""

    formula_id: str
    name: str
    put_away: bool
    versions: tuple[VersionStory, ...]
    trials: tuple[TrialShown, ...]
    best: BakeLine | None
    bakes: int


@dataclass(frozen=True)
class Again:
    """A bake to be made once more: what a plan is asked for, and what of it was taken from what was done."""

    asked: Asked
    takes: tuple[Message, ...] = field(default=())


class ChoicesAnswer(Shown):
    """What a log can be searched by."""

    choices: Choices


class CompareAnswer(Shown):
    """Bakes side by side."""

    sides: list[SideShown]
    compared: Compared
    looks: list[str]
    """Fields of their sheets in which they differ."""


class FiguresOverTimeAnswer(Shown):
    """Bakes in figures, the oldest first."""

    points: list[FigurePoint]
    right: Right


class HistoryAnswer(Shown):
    """A formula's story."""

    history: History


class AgainAnswer(Shown):
    """A bake to be made once more."""

    again: Again


class RemovedAnswer(Shown):
    """Bakes that were taken out of the log, the last first, and for how many days they can be had back."""

    bakes: list[BakeLine]
    days: int


class TrialsAnswer(Shown):
    """Trials, the latest first."""

    trials: list[TrialShown]


class TrialAnswer(Shown):
    """One trial."""

    trial: TrialShown


class TrialSideBody(Strict):
    """One side of a trial."""

    bake: Key
    part: Short = ""
    says: Annotated[str, StringConstraints(max_length=200)] = ""


class TrialBody(Strict):
    """A trial that is planned."""

    formula_id: Short
    question: Annotated[str, StringConstraints(max_length=400)]
    sides: Annotated[list[TrialSideBody], Field(max_length=12)]
    blind: bool = False


class ConcludeBody(Strict):
    """What came of a trial: the place of the better side, -1 for neither; and what is concluded from it."""

    better: int
    conclusion: Annotated[str, StringConstraints(max_length=4000)] = ""


class PutAwayBody(Strict):
    """Whether it is put away, or brought back."""

    away: bool = True


class AfterwardsBody(Strict):
    """A bake that is entered when it is over. Times are the kitchen's, 2026-11-28T07:30; the rest may be guessed."""

    event: Key
    formula_id: Short
    version: int | None = None
    mixed: Clock
    out: Clock
    vessel_id: Short | None = None
    style: Short | None = None
    method: dict[str, Any] | None = None
    pieces: int | None = None
    scaling_weight_g: float | None = None
    dough_c: float | None = None
    oven_c: float | None = None
    """At what the oven was set."""
    baked_min: float | None = None
    note: Annotated[str, StringConstraints(max_length=4000)] = ""


class ImportedAnswer(Shown):
    """What an import brought: counts, and what was left out with the reason."""

    bakes: int
    events: int
    photos: int
    formulas: int
    trials: int
    known: int
    left: list[Message]
