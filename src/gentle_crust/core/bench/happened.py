"""What was really done with a dough, and what the baker changed about its course on the way."""

from collections import Counter
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Protocol

from gentle_crust.core.bench.edit import Edit
from gentle_crust.core.clock import Stand
from gentle_crust.core.errors import CraftError

EXTRA_FOLD = "extra_fold"
"""Keys of folds that no plan asked for begin so."""
SLACK_H = 0.05


@dataclass(frozen=True)
class Deed:
    """A step, by its key, that was finished at an instant, or left out then; the latest word on a key holds."""

    key: str
    at: datetime
    skipped: bool = False


@dataclass(frozen=True)
class Held:
    """A step that was judged not to be due yet: look again ``until``; ``note`` says what to do meanwhile."""

    key: str
    at: datetime
    until: datetime
    note: str = ""


@dataclass(frozen=True)
class Core:
    """The core of a loaf in the oven, C, as it was read at an instant."""

    at: datetime
    core_c: float


@dataclass(frozen=True)
class Happened:
    """Everything that was done at the bench with one dough.

    ``cold_from``: a proof that was to be in the room turns cold then. ``load_at``: the loading that was chosen since.
    ``reshaped``: when an over-proofed dough was folded and shaped again.
    """

    deeds: tuple[Deed, ...] = ()
    held: tuple[Held, ...] = ()
    stands: tuple[Stand, ...] = ()
    cold_from: datetime | None = None
    load_at: datetime | None = None
    reshaped: datetime | None = None
    flat: bool = False
    """It is baked as a flatbread after all."""
    cores: tuple[Core, ...] = ()
    """Cores that were read in the oven."""
    edits: tuple[Edit, ...] = ()
    """What was changed by hand, in the order in which it was."""

    def deed(self, key: str) -> Deed | None:
        """What was said of a step; None if nothing was."""
        return next((deed for deed in self.deeds if deed.key == key), None)

    def done(self, key: str) -> datetime | None:
        """When a step was finished; None if it was not, or left out."""
        return next((deed.at for deed in self.deeds if deed.key == key and not deed.skipped), None)

    def skipped(self, key: str) -> bool:
        """Whether a step was left out."""
        return any(deed.key == key and deed.skipped for deed in self.deeds)

    def settled(self, key: str) -> bool:
        """Whether nothing more is to be done about a step."""
        return any(deed.key == key for deed in self.deeds)

    def until(self, key: str) -> datetime | None:
        """Before when a step is not due, as it was looked at and found not ready."""
        return max((held.until for held in self.held if held.key == key), default=None)

    def note(self, key: str) -> str:
        """What is to be done about a step that was held back last, empty if nothing was said."""
        return next((held.note for held in reversed(self.held) if held.key == key), "")

    @property
    def dough_g(self) -> float | None:
        """What the whole dough was found to weigh, g."""
        return next((edit.dough_g for edit in reversed(self.edits) if edit.code == "weighed"), None)

    @property
    def vessel_id(self) -> str | None:
        """In what it is baked instead of what was planned."""
        return next((edit.vessel for edit in reversed(self.edits) if edit.code == "vessel"), None)

    @property
    def extra_folds(self) -> tuple[datetime, ...]:
        """Folds that no plan asked for."""
        return tuple(deed.at for deed in self.deeds if deed.key.startswith(EXTRA_FOLD) and not deed.skipped)


class _Keyed(Protocol):
    @property
    def kind(self) -> str: ...
    @property
    def key(self) -> str: ...


def keys(steps: Iterable[_Keyed]) -> tuple[str, ...]:
    """The key of each step; those of a plan of an older kind, which kept none, are counted: fold-2 is the second."""
    count: Counter[str] = Counter()
    found = []
    for step in steps:
        count[step.kind] += 1
        found.append(step.key or f"{step.kind}-{count[step.kind]}")
    return tuple(found)


MILESTONES = ("mix", "divide", "shape", "chill", "load", "out")


def milestones_of(steps: Iterable[_Keyed]) -> tuple[str, ...]:
    """Keys of the steps that come in this order, whatever else does; the first part's."""
    all_steps = tuple(steps)
    named = zip(keys(all_steps), all_steps, strict=True)
    return tuple(key for key, step in named if step.kind in MILESTONES and key == f"{step.kind}-1")


def check_order(happened: Happened, now: datetime, order: Sequence[str]) -> None:
    """Raise CraftError if something was done before what must come first in ``order``, or is still to come."""
    last: tuple[str, datetime] | None = None
    for deed in happened.deeds:
        if deed.at > now + timedelta(minutes=1):
            raise CraftError("at", "scheduling-done-in-future")
    for key in order:
        at = happened.done(key)
        if at is None:
            continue
        if last is not None and at < last[1]:
            before, after = (name.split("-")[0] for name in (last[0], key))
            raise CraftError("at", "scheduling-out-of-order", after=after, before=before)
        last = (key, at)
