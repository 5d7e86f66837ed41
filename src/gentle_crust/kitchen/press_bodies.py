"""What each event of a bake holds, as it is kept: declared once, and read again with the same care as it was taken."""

import re
from typing import Annotated, Any, Literal

from pydantic import AllowInfNan, AwareDatetime, BaseModel, ConfigDict, Field, StringConstraints, model_validator

from gentle_crust.core.fermentation.readings import ReadingKind
from gentle_crust.core.scheduling.happened import EXTRA_FOLD
from gentle_crust.core.scheduling.remedies import ChangeCode
from gentle_crust.tidy import clean

STARTED, STEP, NOT_YET, SNOOZED = "bake_started", "bake_step", "bake_not_yet", "bake_snoozed"
NOTE, PHOTO, CHANGED, JUDGED = "bake_note", "bake_photo", "bake_changed", "bake_judged"
OUTCOME, FINISHED, STOPPED, PROBE = "bake_outcome", "bake_finished", "bake_stopped", "bake_probe"
WITHDRAWN, CORRECTED = "bake_withdrawn", "bake_corrected"
READ, READ_WITHDRAWN = "reading", "reading_withdrawn"
CORE, OVEN = "core_c", "oven_c"

Number = Annotated[float, AllowInfNan(False)]
Key = Annotated[str, StringConstraints(min_length=1, max_length=60)]
STEP_KEY = rf"^({EXTRA_FOLD}[A-Za-z0-9_-]{{0,40}}|[a-z_]{{1,30}}-[1-9][0-9]{{0,3}})$"
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


class Step(Kept):
    """A step that was done, or left out."""

    key: StepKey
    skipped: bool = False


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


BODIES: dict[str, type[Kept]] = {
    STARTED: Kept, STEP: Step, NOT_YET: Held, SNOOZED: Held, NOTE: Note, PHOTO: Photo, CHANGED: Change,
    JUDGED: Judged, OUTCOME: Outcome, FINISHED: Kept, STOPPED: Kept, PROBE: Probe, READ: TakenReading,
    READ_WITHDRAWN: ReadWithdrawn, WITHDRAWN: Withdrawn, CORRECTED: Corrected,
}  # fmt: skip
"""By the kind of event."""
