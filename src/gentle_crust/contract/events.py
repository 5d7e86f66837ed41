"""What each event holds, as it is kept: declared once by its kind, and read with the same care as it was taken."""

import re
from dataclasses import fields
from datetime import datetime
from typing import Annotated, Any, Literal, get_args

from pydantic import (
    AllowInfNan,
    AwareDatetime,
    BaseModel,
    ConfigDict,
    Field,
    StringConstraints,
    ValidationError,
    model_validator,
)

from gentle_crust.contract.adapted import Adapted
from gentle_crust.contract.tidy import clean, sane
from gentle_crust.core.bench.edit import EditCode
from gentle_crust.core.bench.happened import EXTRA_FOLD, Happened
from gentle_crust.core.bench.remedies import Change as CourseChange
from gentle_crust.core.bench.remedies import ChangeCode, changed
from gentle_crust.core.crumb.read import SliceKept
from gentle_crust.core.culture.events import Event as CultureEvent
from gentle_crust.core.culture.events import EventKind
from gentle_crust.core.errors import CraftError, Unreadable
from gentle_crust.core.fermentation.readings import ReadingKind
from gentle_crust.core.loaf.photo_line import PhotoLine
from gentle_crust.core.loaf.photo_line import checked as line_checked
from gentle_crust.core.loaf.sheet import Sheet, checked
from gentle_crust.core.oven.lesson import Lesson
from gentle_crust.core.readiness.cues import State

STARTED, STEP, NOT_YET, SNOOZED = "bake_started", "bake_step", "bake_not_yet", "bake_snoozed"
NOTE, PHOTO, CHANGED, JUDGED = "bake_note", "bake_photo", "bake_changed", "bake_judged"
OUTCOME, FINISHED, STOPPED, PROBE = "bake_outcome", "bake_finished", "bake_stopped", "bake_probe"
WITHDRAWN, CORRECTED = "bake_withdrawn", "bake_corrected"
EDITED = "bake_edited"
LOAF = "bake_loaf"
REMOVED = "bake_removed"
SCALED, SLICED = "bake_scaled", "bake_sliced"
WATER = "bake_water"
READ, READ_WITHDRAWN = "reading", "reading_withdrawn"
ABSENT, PRESENT = "absence", "absence_withdrawn"
MIXED, TEST_BEGUN, TEST_READ = "mixed", "yeast_test_begun", "yeast_test_read"
PACK_OPENED = "yeast_pack_opened"
OVEN_TAUGHT, OVEN_ASIDE, OVEN_COUNTED = "oven_taught", "oven_lesson_aside", "oven_lesson_counted"
OVEN_FORGOTTEN = "oven_lesson_forgotten"
DRILLED = "dough_drilled"
LESSON_ASIDE, LESSON_COUNTED = "lesson_aside", "lesson_counted"
CULTURE_WITHDRAWN, CULTURE_REINSTATED = "culture_withdrawn", "culture_reinstated"
CULTURE_KINDS = get_args(EventKind)
CORE, OVEN = "core_c", "oven_c"

Number = Annotated[float, AllowInfNan(False)]
Key = Annotated[str, StringConstraints(min_length=1, max_length=60)]
STEP_KEY = rf"^({EXTRA_FOLD}[A-Za-z0-9_-]{{0,40}}|[a-z_]{{1,30}}-[1-9][0-9]{{0,6}})$"
StepKey = Annotated[str, StringConstraints(pattern=STEP_KEY)]
Said = Annotated[str, StringConstraints(max_length=300)]


def is_step_key(key: str) -> bool:
    """Whether a key may name a step: fold-2 is the second fold, extra_fold-9f one that no plan asked for."""
    return re.fullmatch(STEP_KEY, key) is not None


class Kept(BaseModel):
    """The body of an event; what else it holds is left as it is."""

    model_config = ConfigDict(extra="allow")

    @model_validator(mode="before")
    @classmethod
    def _clean(cls, value: Any) -> Any:
        return clean(value)


class Started(Kept):
    """A dough that came to the bench: how many parts of it are cut one day; bakes of an older kind do not say."""

    cuts: Annotated[int, Field(ge=1, le=99)] = 1


class Step(Kept):
    """A step that was done, or left out."""

    key: StepKey
    skipped: bool = False
    guessed: bool = False
    """Whether its time was reckoned, not seen: of a bake that was entered when it was over."""


class Held(Kept):
    """A step that is not due, or not to be called for, before an instant."""

    key: StepKey
    until: AwareDatetime
    note: Said = ""


class TakenReading(Kept):
    """A rise (fraction), a temperature (C) of dough, core or oven, or a dough judged ready."""

    kind: ReadingKind | Literal["core_c", "oven_c"]
    value: Number
    sure: bool = False


class Changed(BaseModel):
    """A change of course."""

    model_config = ConfigDict(extra="forbid")

    code: ChangeCode
    at: AwareDatetime
    until: AwareDatetime | None = None
    ambient_c: Number | None = None
    load_at: AwareDatetime | None = None
    key: StepKey | Literal[""] = ""


class Change(Kept):
    """A change of course, in the words in which it was offered."""

    change: Changed
    sentence: Said = ""


class Edited(Kept):
    """A change by hand, as the core counts it; its time is the event's."""

    code: EditCode
    number: Annotated[int, Field(ge=1, le=999)]
    stage: Annotated[str, StringConstraints(max_length=60)] = ""
    until: AwareDatetime | None = None
    kind: Annotated[str, StringConstraints(max_length=30)] = ""
    minutes: Number | None = None
    pieces: int | None = None
    vessel: Annotated[str, StringConstraints(max_length=60)] = ""
    dough_g: Number | None = None


class Looked(BaseModel):
    """What a look told of the leaven."""

    rises: tuple[Number, Number, Number, Number]
    shows: tuple[Number, Number, Number, Number, Number]


class Judged(Kept):
    """A judgement as it was shown."""

    stage: Key
    cues: dict[str, str | Number]
    verdict: dict[str, Any]
    looked: Looked | None = None


class Note(Kept):
    """Some words."""

    text: Annotated[str, StringConstraints(min_length=1, max_length=2000)]


class Photo(Kept):
    """A photograph's size, px."""

    width: int
    height: int


class Scaled(Kept):
    """A line over a photo, and which photo."""

    photo: Key
    line: PhotoLine


class Sliced(Kept):
    """A slice that was measured on a photo, and which photo."""

    photo: Key
    slice: SliceKept


class Water(Kept):
    """Water that was worked in beyond what was weighed, g; held back: negative."""

    more_g: Number


class Outcome(Kept):
    """How the loaf came out of its proof, with whatever else was said of it."""

    how: Literal["under", "right", "over"]


class Probe(Kept):
    """The thermometer that is in the dough; empty: none any more."""

    device: Annotated[str, StringConstraints(max_length=60)] = ""


class Withdrawn(Kept):
    """An event that was taken back, with those that say the same."""

    event: Key
    with_: tuple[Key, ...] = Field((), alias="with")


class ReadWithdrawn(Kept):
    """A reading that was a mistake."""

    reading: Key


class Corrected(Kept):
    """When an event really was."""

    event: Key
    at: AwareDatetime


class Mixed(Kept):
    """A dough that was mixed and measured: what its mixing added, K."""

    mixing: Annotated[str, StringConstraints(min_length=1, max_length=40)]
    friction_k: Number


class TestRead(Kept):
    """What a test of dry yeast showed after some minutes."""

    foam: str
    minutes: Number


class OvenTaught(Kept):
    """What a bake told of its oven: which bake and part, empty if it was only looked at, and which oven."""

    name: Annotated[str, StringConstraints(max_length=80)]
    bake: Annotated[str, StringConstraints(max_length=60)]
    part: Annotated[str, StringConstraints(max_length=60)]
    oven: Annotated[str, StringConstraints(max_length=120)]
    lesson: Lesson


class Absence(Kept):
    """When somebody who leaves at the event's time is back."""

    end: AwareDatetime


class LessonMark(Kept):
    """A lesson of the kitchen that is put aside or counts again: all of it, or what one bake told of it."""

    lesson: Annotated[str, StringConstraints(min_length=1, max_length=80)]
    bake: Annotated[str, StringConstraints(max_length=60)] = ""


class Drilled(Kept):
    """A dough that was read for practice: how it was, how it was read, and what that tells of eye and finger."""

    formula: Annotated[str, StringConstraints(max_length=60)]
    stage: Literal["bulk", "final_proof"]
    state: State
    said: State
    sure: Annotated[str, StringConstraints(max_length=20)]
    bits: Number
    eye: Number | None = None
    finger: Number | None = None


class Mark(Kept):
    """Another event that this one takes back, or brings in again."""

    event: Key


BODIES: dict[str, type[Kept]] = {
    STARTED: Started, STEP: Step, NOT_YET: Held, SNOOZED: Held, NOTE: Note, PHOTO: Photo, CHANGED: Change,
    EDITED: Edited, JUDGED: Judged, OUTCOME: Outcome, LOAF: Kept, REMOVED: Kept, FINISHED: Kept, STOPPED: Kept,
    PROBE: Probe, SCALED: Scaled, SLICED: Sliced, WATER: Water, READ: TakenReading,
    READ_WITHDRAWN: ReadWithdrawn, WITHDRAWN: Withdrawn, CORRECTED: Corrected,
    ABSENT: Absence, PRESENT: Mark, MIXED: Mixed, TEST_BEGUN: Kept, TEST_READ: TestRead, PACK_OPENED: Kept,
    OVEN_TAUGHT: OvenTaught, OVEN_ASIDE: Mark, OVEN_COUNTED: Mark, OVEN_FORGOTTEN: Mark,
    DRILLED: Drilled, LESSON_ASIDE: LessonMark, LESSON_COUNTED: LessonMark,
    CULTURE_WITHDRAWN: Mark, CULTURE_REINSTATED: Mark,
}  # fmt: skip
"""By the kind of event; those of a culture's life are the core's own."""
_CULTURE_EVENT: Adapted[CultureEvent] = Adapted(CultureEvent)
_OF_A_CULTURE = {field.name for field in fields(CultureEvent)} - {"id", "at_h", "kind"}
SHEET: Adapted[Sheet] = Adapted(Sheet)
"""A loaf judged."""
LESSON: Adapted[Lesson] = Adapted(Lesson)
"""What a bake told of its oven."""
LINE: Adapted[PhotoLine] = Adapted(PhotoLine)
"""A line over a photo."""
SLICE: Adapted[SliceKept] = Adapted(SliceKept)
"""A slice that was measured."""
OF_A_SHEET = {field.name for field in fields(Sheet)}
_CHANGE: Adapted[CourseChange] = Adapted(CourseChange)


def read(kind: str, at: datetime, body: Any) -> dict[str, Any]:
    """The body of an event, its texts made fit to show. Raises Unreadable for one that its kind does not hold."""
    cleaned = clean(body) if isinstance(body, dict) else {}
    try:
        sane(at, "at")
        if kind in CULTURE_KINDS:
            _CULTURE_EVENT.read({"id": "", "at_h": 0.0, "kind": kind, **cleaned})
            if not set(cleaned) <= _OF_A_CULTURE:
                raise TypeError("a field that no event has")
        else:
            BODIES[kind].model_validate(cleaned)
            if kind == LOAF and (not set(cleaned) <= OF_A_SHEET or not checked(SHEET.read(cleaned))):
                raise TypeError("a field that no sheet has")
            if kind == SCALED:
                line_checked(LINE.read(cleaned["line"]))
            _check_times(kind, cleaned)
    except (ValidationError, CraftError, KeyError, ValueError, TypeError, OverflowError, RecursionError) as error:
        raise Unreadable("body", "contract-event-unreadable", kind=kind) from error
    return dict(cleaned)


def _check_times(kind: str, body: dict[str, Any]) -> None:
    """Raise CraftError for a time in a body that no kitchen has."""
    inside = body.get("change", {}) if kind == CHANGED else body
    for name in ("at", "until", "load_at", "end"):
        if inside.get(name):
            sane(datetime.fromisoformat(str(inside[name])), name)
    if kind == CHANGED:
        changed(Happened(), _CHANGE.read(body["change"]))
