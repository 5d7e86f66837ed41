"""What happened to one dough, read off its events: each of them counts once, and none that was taken back."""

import logging
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from typing import Any

from gentle_crust.contract import events as bodies
from gentle_crust.contract.adapted import Adapted
from gentle_crust.contract.events import (
    CHANGED,
    CORE,
    CORRECTED,
    EDITED,
    FINISHED,
    JUDGED,
    LOAF,
    NOT_YET,
    NOTE,
    OUTCOME,
    OVEN,
    PHOTO,
    PROBE,
    READ,
    READ_WITHDRAWN,
    REMOVED,
    SCALED,
    SLICED,
    SNOOZED,
    STARTED,
    STEP,
    STOPPED,
    WATER,
    WITHDRAWN,
)
from gentle_crust.contract.shown import TakenReading
from gentle_crust.contract.tidy import clean
from gentle_crust.core.bench.edit import Edit
from gentle_crust.core.bench.happened import Core, Deed, Happened, Held
from gentle_crust.core.bench.remedies import Change, changed
from gentle_crust.core.errors import Unreadable
from gentle_crust.core.fermentation.readings import Looked
from gentle_crust.core.messages import NOTHING
from gentle_crust.store.columns import FOR_EVER, NO_TIME
from gentle_crust.store.repositories import PlainEvent

LOG = logging.getLogger(__name__)
PRESSES = (
    STARTED,
    STEP,
    NOT_YET,
    SNOOZED,
    NOTE,
    PHOTO,
    CHANGED,
    EDITED,
    JUDGED,
    OUTCOME,
    LOAF,
    REMOVED,
    SCALED,
    SLICED,
    WATER,
    FINISHED,
    STOPPED,
    PROBE,
    READ,
)
ALL = (*PRESSES, READ_WITHDRAWN, WITHDRAWN, CORRECTED)
CHANGE: Adapted[Change] = Adapted(Change)
EDIT: Adapted[Edit] = Adapted(Edit)
LOOKED: Adapted[tuple[float, float, float, float]] = Adapted(tuple[float, float, float, float])
SHOWS: Adapted[tuple[float, float, float, float, float]] = Adapted(tuple[float, float, float, float, float])
IN_THE_OVEN = (CORE, OVEN)
"""Readings of a bake: the loaf's core, and the oven beside its dial."""
RESTS = timedelta(hours=12)
"""A loaf that is cut stays on the bench for so long, if nobody puts it away."""
FAR_AHEAD = timedelta(seconds=90)
"""Two looks at the clock may differ by so much."""


@dataclass(frozen=True)
class Told:
    """One event that counts, at the time at which it truly was."""

    id: str
    kind: str
    at: datetime
    body: dict[str, Any]


@dataclass(frozen=True)
class Story:
    """One dough's events in order of time, and what they come to."""

    told: tuple[Told, ...]
    withdrawn: tuple[Told, ...]
    happened: Happened
    unreadable: tuple[Told, ...] = ()
    """Events that are kept but cannot be read: they count for nothing."""

    def of(self, *kinds: str) -> tuple[Told, ...]:
        """Events of some kinds."""
        return tuple(each for each in self.told if each.kind in kinds)

    def last(self, kind: str) -> Told | None:
        """The latest of a kind."""
        found = self.of(kind)
        return found[-1] if found else None

    @property
    def started(self) -> datetime | None:
        """When it came to the bench."""
        found = self.of(STARTED)
        return found[0].at if found else None

    @property
    def closed(self) -> bool:
        """Whether it has left the bench."""
        return bool(self.of(FINISHED, STOPPED))

    @property
    def leaves(self) -> datetime:
        """Until when it is on the bench: it is put away, or leaves by itself once all of it was cut long ago."""
        if self.started is None or self.closed:
            return NO_TIME
        return max(self._cuts) + RESTS if self.complete else FOR_EVER

    @property
    def complete(self) -> bool:
        """Whether every part of it was cut."""
        return len(self._cuts) >= self.parts

    @property
    def _cuts(self) -> list[datetime]:
        return [deed.at for deed in self.happened.deeds if deed.key.startswith("cut-") and not deed.skipped]

    @property
    def parts(self) -> int:
        """How many parts the dough has, each of which is cut one day."""
        split = any(edit.code == "split" for edit in self.happened.edits)
        return int(self.of(STARTED)[0].body.get("cuts", 1)) + split

    def on_bench(self, now: datetime) -> bool:
        """Whether it is on the bench."""
        return now <= self.leaves

    @property
    def readings(self) -> tuple[TakenReading, ...]:
        """What was read."""
        return tuple(
            TakenReading(
                each.id, each.at, each.body["kind"], float(each.body["value"]), bool(each.body.get("sure")), NOTHING
            )
            for each in self.of(READ)
            if each.body["kind"] not in IN_THE_OVEN
        )

    @property
    def oven_c(self) -> float | None:
        """What a thermometer in the oven read last, C."""
        found = [float(each.body["value"]) for each in self.of(READ) if each.body["kind"] == OVEN]
        return found[-1] if found else None

    @property
    def snoozed(self) -> dict[str, datetime]:
        """Until when reminders of a step are silent."""
        return {each.body["key"]: datetime.fromisoformat(each.body["until"]) for each in self.of(SNOOZED)}

    def looked(self, mixed: datetime) -> tuple[Looked, ...]:
        """What kept judgements tell of the dough's liveliness."""
        return tuple(
            Looked(
                (each.at - mixed) / timedelta(hours=1),
                LOOKED.read(each.body["looked"]["rises"]),
                SHOWS.read(each.body["looked"]["shows"]),
            )
            for each in self.of(JUDGED)
            if each.body.get("looked") and each.at > mixed
        )


def story_of(events: Sequence[PlainEvent]) -> Story:
    """A dough's story; ``events`` in the order of their time, those of one instant as they came in.

    An event that cannot be read is set aside, and all others count.
    """
    return _story(*_read(events))


def grown(story: Story, event: PlainEvent) -> Story:
    """A story with one event more; those that it has are not read again."""
    good, odd = _read([event])
    before = [(each.id, each.kind, each.at, each.body) for each in story.told]
    return _story([*before, *good], (*story.unreadable, *odd))


def _story(events: list[PlainEvent], unreadable: tuple[Told, ...]) -> Story:
    """What events that can be read come to."""
    gone: set[str] = set()
    for _, kind, _, body in events:
        if kind in (WITHDRAWN, READ_WITHDRAWN):
            gone.add(body["event" if kind == WITHDRAWN else "reading"])
            gone.update(body.get("with", ()))
    corrected = {
        body["event"]: datetime.fromisoformat(body["at"])
        for key, kind, _, body in events
        if kind == CORRECTED and key not in gone
    }
    pressed = [
        Told(key, kind, corrected.get(key, at), _told_since(body) if key in corrected else body)
        for key, kind, at, body in events
        if kind in PRESSES
    ]
    pressed.sort(key=lambda each: each.at)
    told = tuple(each for each in pressed if each.id not in gone)
    return Story(told, tuple(each for each in pressed if each.id in gone), _happened(told), unreadable)


def _told_since(body: dict[str, Any]) -> dict[str, Any]:
    """What was put right was told by somebody, though it was reckoned before."""
    return {name: value for name, value in body.items() if name != "guessed"}


def _read(events: Sequence[PlainEvent]) -> tuple[list[PlainEvent], tuple[Told, ...]]:
    """Events whose body is what their kind holds, and those that cannot be read."""
    good: list[PlainEvent] = []
    odd = []
    for key, kind, at, body in events:
        try:
            good.append((key, kind, at, bodies.read(kind, at, body)))
        except Unreadable:
            odd.append(Told(key, kind, at, clean(body) if isinstance(body, dict) else {}))
    return good, tuple(odd)


def readable(events: Sequence[PlainEvent]) -> list[PlainEvent]:
    """Events that can be read; any other is left out, and said in the log."""
    good, odd = _read(events)
    for each in odd:
        LOG.warning("event %s (%s) cannot be read", each.id, each.kind)
    return good


def same_step(told: Sequence[Told], event: str) -> tuple[str, ...]:
    """Events that say the same step was done, pressed on two devices: taken back together."""
    key = next((each.body["key"] for each in told if each.id == event and each.kind == STEP), None)
    return tuple(each.id for each in told if key is not None and each.kind == STEP and each.body["key"] == key)


def _happened(told: tuple[Told, ...]) -> Happened:
    """Steps, of which the first word counts and done outweighs left out; what was held back; what was changed."""
    deeds: dict[str, Deed] = {}
    for each in told:
        if each.kind != STEP:
            continue
        key, skipped = each.body["key"], bool(each.body.get("skipped"))
        known = deeds.get(key)
        if known is None or (known.skipped and not skipped):
            deeds[key] = Deed(key, each.at, skipped)
    held = tuple(
        Held(each.body["key"], each.at, datetime.fromisoformat(each.body["until"]), str(each.body.get("note", "")))
        for each in told
        if each.kind == NOT_YET
    )
    cores = tuple(Core(each.at, float(each.body["value"])) for each in told if _is_core(each))
    happened = Happened(tuple(sorted(deeds.values(), key=lambda deed: deed.at)), held, cores=cores)
    for each in told:
        if each.kind == CHANGED:
            happened = changed(happened, CHANGE.read(each.body["change"]))
    edits = tuple(EDIT.read({**each.body, "at": each.at}) for each in told if each.kind == EDITED)
    return replace(happened, edits=edits)


def _is_core(told: Told) -> bool:
    return told.kind == READ and told.body["kind"] == CORE


def as_dict(told: Told) -> dict[str, Any]:
    """An event as the wire carries it."""
    return {"id": told.id, "kind": told.kind, "at": told.at, "body": told.body}
