"""Bakes and their records, as they are shown."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any, Literal

from gentle_crust.core.crumb.read import SliceKept
from gentle_crust.core.loaf.photo_line import PhotoLine
from gentle_crust.core.loaf.sheet import Measured, Sheet
from gentle_crust.core.messages import Message

Asks = Literal["loaf", "keeping"]
BakeState = Literal["on_bench", "baked", "stopped"]


@dataclass(frozen=True)
class DrawnPart:
    """A stretch of dough: its kind, and points of minutes from the drawing's start, rise (fraction) and warmth (C)."""

    kind: str
    points: tuple[tuple[float, ...], ...]


@dataclass(frozen=True)
class Drawn:
    """A bake as a list draws it, from its first dough to its loaves out."""

    start: datetime
    end: datetime
    load: datetime
    parts: tuple[DrawnPart, ...]


@dataclass(frozen=True)
class LoafLine:
    """A loaf as a list draws it: what was said of it on its day."""

    form: str | None
    scores: str | None
    blow_out: str | None
    openness: str | None
    top_colour: float | None
    liked: int | None
    day: int = 0
    """The latest day on which something was said of it."""
    holes: float | None = None
    """Share of holes that was measured on a photo of its slice."""


Told = tuple[float, float]
"""What was told, and how surely: a value and its standard deviation."""


@dataclass(frozen=True)
class BakeTells:
    """What a finished bake tells of its kitchen, each with how surely; None of what it tells nothing.

    ``pace`` of its leaven, the logarithm of a factor; ``fridge``: K warmer than said, and ``room`` so by parts of the
    day (0, night, to 3, evening); ``bowl_loss``, ``bake_loss``: shares; ``finger``: share of the greatest volume;
    ``late``: minutes; ``water``: points.
    """

    leaven: str = ""
    pace: Told | None = None
    room: tuple[tuple[int, float, float], ...] = ()
    fridge: Told | None = None
    bowl_loss: Told | None = None
    bake_loss: Told | None = None
    finger: Told | None = None
    late: Told | None = None
    water: Told | None = None
    flour: str = ""
    """The flour that there is most of, for what it tells of water."""


@dataclass(frozen=True)
class BakeFigures:
    """A finished bake in figures. Minutes; C; rises and shares fractions; None for what nobody said.

    ``read``: rises that were read in bulk, of which so many lay ``inside`` the band that was forecast before it began;
    the dough came to them ``late_min`` later than forecast (sooner: negative), by the middle one. ``verdict``: what
    its final proof was judged last, ``how`` it came out.
    """

    dough_c: float | None = None
    bulk_min: int | None = None
    proof_min: int | None = None
    baked_min: int | None = None
    rise: float | None = None
    end_rise: float | None = None
    """What was read as the bulk ended."""
    share: float | None = None
    read: int = 0
    inside: int = 0
    late_min: int | None = None
    verdict: str = ""
    how: str = ""
    tells: BakeTells | None = None


@dataclass(frozen=True)
class BakeLine:
    """One line of the list of bakes. ``out``: when the last loaf came out, or it was stopped; None while it bakes."""

    id: str
    name: str
    pieces: int
    started: datetime
    out: datetime | None
    state: BakeState
    how: str
    """What was said of it last: under, right or over; empty if nothing was."""
    notes: int
    photos: int
    drawn: Drawn | None = None
    loaf: LoafLine | None = None
    formula_id: str = ""
    version: int | None = None
    faults: tuple[Message, ...] = ()
    """What its loaves show that was not wished."""
    afterwards: bool = False
    """Whether it was entered when it was over."""
    removed: datetime | None = None
    """When it was taken out of the log."""


@dataclass(frozen=True)
class AskingLine:
    """A bake of which something may be asked: how the loaf is, or, some days later, how it keeps."""

    id: str
    name: str
    out: datetime
    asks: Asks


@dataclass(frozen=True)
class RecordStep:
    """A step as it was finished, or left out; ``planned`` to be finished when, None if no plan asked for it."""

    key: str
    kind: str
    title: Message
    at: datetime
    planned: datetime | None
    skipped: bool
    late_min: int | None
    """Minutes after ``planned`` (before: negative), 0 if near enough; None if left out or never planned."""
    event: str = ""
    """The press that says so: its time can be put right."""
    guessed: bool = False
    """Whether its time was reckoned when the bake was entered afterwards."""


@dataclass(frozen=True)
class RecordReading:
    """Something that was measured: a rise (fraction) or C."""

    id: str
    at: datetime
    kind: str
    value: float


@dataclass(frozen=True)
class RecordVerdict:
    """A judgement: the stage, the verdict, and what to do by it, as they were shown."""

    at: datetime
    stage: str
    verdict: str
    do: Message


@dataclass(frozen=True)
class RecordWords:
    """Words that were written: a note, or a change of course."""

    id: str
    at: datetime
    text: str


@dataclass(frozen=True)
class RecordEdit:
    """A change by hand: what it was, as it is kept."""

    id: str
    at: datetime
    body: dict[str, Any]


@dataclass(frozen=True)
class RecordPhoto:
    """A photograph, by its key, with its size in px, and of which part it is, empty if of all.

    ``line`` spans something of known length in it; ``shows_mm`` of the whole width then follows. ``slice``: what was
    measured of the slice on it.
    """

    id: str
    at: datetime
    width: int
    height: int
    part: str = ""
    line: PhotoLine | None = None
    shows_mm: float | None = None
    slice: SliceKept | None = None
    sliced: str = ""
    """The press that kept the slice's figures."""


@dataclass(frozen=True)
class RecordOutcome:
    """How it came out, and whatever else was said then."""

    id: str
    at: datetime
    how: str
    more: dict[str, Any]


@dataclass(frozen=True)
class RecordLoaf:
    """A loaf judged, and what its measures come to; ``stands`` unless more was said of the same loaf and day since."""

    id: str
    at: datetime
    sheet: Sheet
    measured: Measured
    top: Message | None
    base: Message | None
    """Its colours in a baker's words."""
    stands: bool


@dataclass(frozen=True)
class UnreadableEvent:
    """Something that is kept but cannot be read: its key, its kind, and when it came."""

    id: str
    kind: str
    at: datetime


@dataclass(frozen=True)
class BakeRecord:
    """A bake from its first press to its last."""

    line: BakeLine
    each_g: float
    vessel_id: str
    steps: tuple[RecordStep, ...]
    readings: tuple[RecordReading, ...]
    verdicts: tuple[RecordVerdict, ...]
    changes: tuple[RecordWords, ...]
    edits: tuple[RecordEdit, ...]
    notes: tuple[RecordWords, ...]
    photos: tuple[RecordPhoto, ...]
    outcomes: tuple[RecordOutcome, ...]
    loaves: tuple[RecordLoaf, ...]
    parts: tuple[str, ...]
    """Names of the parts that it went, if several."""
    lengths: tuple[str, ...]
    """What of a loaf of its shape is measured."""
    days: int
    """How many days ago its last loaf came out, by the kitchen's calendar."""
    unreadable: tuple[UnreadableEvent, ...]
