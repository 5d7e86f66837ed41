"""What may be changed by hand of a dough under way, each with what it begins with; and what comes of a change."""

from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from gentle_crust.core import limits
from gentle_crust.core.bench.edit import Edit, EditCode
from gentle_crust.core.bench.live import Live
from gentle_crust.core.bench.remedies import AFTER_UP
from gentle_crust.core.bench.under_way import Followed
from gentle_crust.core.course.method import BESIDE, WAITING
from gentle_crust.core.course.solved import Solved
from gentle_crust.core.course.standing import Run
from gentle_crust.core.errors import Conflict, CraftError, within
from gentle_crust.core.messages import NOTHING, Message, joined, message, named
from gentle_crust.core.oven.equipment import fits
from gentle_crust.core.plan.ribbon import nights_between

EXTRA_MIN = {"rest": 20.0, "knock_back": 2.0, "preshape": 5.0, "bench_rest": 20.0, "warm_up": 60.0}
"""Stages that may come on top, and how long they usually take, min (practice)."""
LATEST = timedelta(days=7)
SOONEST = timedelta(minutes=5)
DAY = timedelta(hours=24)
OF_PLANNED = (0.5, 1.1)
"""A dough weighs between so much of what was planned."""


@dataclass(frozen=True)
class MoreStage:
    """A stage that may come on top: its kind, after which it comes, and how long it usually takes."""

    kind: str
    after: str
    minutes: float


@dataclass(frozen=True)
class VesselChoice:
    """A vessel of the kitchen."""

    id: str
    name: str


@dataclass(frozen=True)
class Offer:
    """Something that may be changed now; ``stage`` is the stage that it is about, ``kind`` what it is, of which part.

    ``until`` is the time that it begins with, ``pieces`` how many are kept for later and ``most_pieces`` how many may
    be, ``dough_g`` what was planned.
    """

    code: EditCode
    stage: str
    kind: str
    part: str = ""
    until: datetime | None = None
    extra: tuple[MoreStage, ...] = ()
    vessels: tuple[VesselChoice, ...] = ()
    pieces: int = 0
    most_pieces: int = 0
    dough_g: float | None = None


@dataclass(frozen=True)
class Tried:
    """What comes of a change, in a sentence, and when each part is out of the oven."""

    sentence: Message
    out: datetime


def offers(found: Followed, now: datetime) -> tuple[Offer, ...]:
    """All that may be changed of a dough, the nearest first."""
    solved, statuses = found.progress.solved, found.progress.statuses
    asked = solved.asked
    mixed = any(run.filled.kind == "mix" and statuses.get(run.filled.id) == "done" for run in solved.runs)
    here = _where_it_is(found)
    given: list[Offer] = []
    for run in here:
        given += _of_stage(solved, run, now, mixed)
    first = next((run.filled for run in here if run.filled.kind not in ("bake", "cool")), None)
    if first is None:
        return tuple(given)
    if not asked.method.parts and asked.pieces > 1:
        out = found.plan.out + DAY
        half, most = asked.pieces // 2, asked.pieces - 1
        given.append(Offer("split", first.id, first.kind, until=out, pieces=half, most_pieces=most))
    used = {part.bake.vessel.id for part in solved.parts if part.bake is not None}
    others = tuple(
        VesselChoice(each.id, each.name)
        for each in asked.kitchen.vessels
        if {each.id} != used and not fits(each, asked.formula.shape, asked.scaling_weight_g)
    )
    if others:
        given.append(Offer("vessel", first.id, first.kind, vessels=others))
    divided = any(run.filled.kind == "divide" and statuses.get(run.filled.id) == "done" for run in solved.runs)
    if mixed and not divided:
        given.append(Offer("weighed", first.id, first.kind, dough_g=round(asked.pieces * asked.scaling_weight_g)))
    return tuple(given)


def _where_it_is(found: Followed) -> list[Run]:
    """The stage that each part is in, or waits before; one that is all parts' own, once."""
    over = {id_ for id_, status in found.progress.statuses.items() if status in ("done", "skipped")}
    seen: list[Run] = []
    for part in found.progress.solved.parts:
        way = (*found.progress.solved.trunk, *part.runs)
        run = next((run for run in way if run.filled.id not in over and run.filled.kind not in BESIDE), None)
        if run is not None and all(run.filled.id != other.filled.id for other in seen):
            seen.append(run)
    return seen


def _of_stage(solved: Solved, run: Run, now: datetime, mixed: bool) -> list[Offer]:
    """What may be done about the stage that a dough is in."""
    each = run.filled
    if each.kind in ("autolyse", "mix", "bake", "cool") or not mixed:
        return []
    given = []
    if each.kind in WAITING:
        given.append(Offer("end", each.id, each.kind, each.part))
        if each.cold:
            given.append(Offer("take_out", each.id, each.kind, each.part))
        else:
            given.append(Offer("fridge", each.id, each.kind, each.part, until=_morning(solved, now)))
    extra = tuple(_extras(solved, run))
    return [*given, Offer("stage", each.id, each.kind, each.part, extra=extra)] if extra else given


def _extras(solved: Solved, here: Run) -> list[MoreStage]:
    """Stages that make sense on top where a dough stands: nothing is loosened or rounded once it is shaped."""
    way = next(
        (*solved.trunk, *part.runs) for part in solved.parts if any(run is here for run in (*solved.trunk, *part.runs))
    )
    ahead = [run.filled for run in way[[run is here for run in way].index(True) :]]
    kinds = [each.kind for each in ahead]
    found = []
    if here.filled.cold:
        found.append("warm_up")
    if "shape" in kinds:
        found += ["rest", "knock_back"]
    divide = next((each for each in ahead if each.kind == "divide"), None)
    extras = [MoreStage(kind, here.filled.id, EXTRA_MIN[kind]) for kind in found]
    if "shape" in kinds:
        after = here.filled.id if divide is None else divide.id
        extras += [MoreStage(kind, after, EXTRA_MIN[kind]) for kind in ("preshape", "bench_rest") if kind not in kinds]
    return extras


def _morning(solved: Solved, now: datetime) -> datetime:
    """A little after getting up from the night that is, or comes, first."""
    hours = solved.clock.hours(now)
    nights = [night.end for night in nights_between(solved.clock, hours, hours + 24) if night.end > now]
    return nights[0] + AFTER_UP if nights else now + timedelta(hours=8)


def ran_min(found: Followed, stage: str, at: datetime) -> float:
    """For how many minutes a stage had run at an instant."""
    solved = found.progress.solved
    run = next((run for run in solved.runs if run.filled.id == stage), None)
    return 0.0 if run is None else max((at - solved.clock.at(run.start)).total_seconds() / 60, 0.0)


def checked(edit: Edit, given: tuple[Offer, ...], planned_g: float) -> Edit:
    """An edit that is among what may be changed now. Raises Conflict for one that is not, CraftError for its figures,
    naming the field."""
    offer = next((each for each in given if _is_for(edit, each)), None)
    if offer is None:
        raise Conflict("code", "edit-not-now")
    if edit.minutes is not None:
        within("minutes", limits.EXTRA_STAGE_MIN, edit.minutes)
    if edit.code == "split" and not 0 < (edit.pieces or 0) <= offer.most_pieces:
        raise CraftError("pieces", "edit-pieces", most=offer.most_pieces)
    if edit.code in ("fridge", "split") and (edit.until is None or not SOONEST <= edit.until - edit.at <= LATEST):
        raise CraftError("until", "edit-until")
    if edit.code == "vessel" and all(each.id != edit.vessel for each in offer.vessels):
        raise CraftError("vessel", "edit-vessel")
    if edit.code == "weighed":
        low, high = (round(planned_g * part) for part in OF_PLANNED)
        if edit.dough_g is None or not low <= edit.dough_g <= high:
            raise CraftError("dough_g", "edit-dough-g", low=low, high=high)
    return edit if edit.stage else replace(edit, stage=offer.stage)


OF_THE_WHOLE = ("split", "vessel", "weighed")
"""Changes of a whole dough, whatever stage it is in."""


def _is_for(edit: Edit, offer: Offer) -> bool:
    """Whether an edit takes up an offer."""
    if edit.code != offer.code:
        return False
    if edit.code == "stage":
        return any((each.kind, each.after) == (edit.kind, edit.stage) for each in offer.extra)
    return edit.code in OF_THE_WHOLE or edit.stage in (offer.stage, "")


WORTH_SAYING = ("under_proofed", "over_proofed", "vessel", "unsafe")
"""Problems that a change may bring."""


def what_comes(edit: Edit, after: Live, pieces: int) -> Tried:
    """What a change comes to: the next thing to do, and when each part leaves the oven."""
    said = []
    if edit.code == "weighed" and edit.dough_g:
        said.append(message("edit-each", g=round(edit.dough_g / pieces)))
    if after.next is not None:
        said.append(message("edit-next", step=after.next.title, at=after.next.at))
    if len(after.plan.outs) > 1:
        said += [message("edit-out-part", part=named(each.name), at=each.out) for each in after.plan.outs]
    else:
        said.append(message("edit-out", at=after.plan.out))
    said += [each.sentence for each in after.plan.problems if each.code in WORTH_SAYING]
    return Tried(joined(*said) if said else NOTHING, after.plan.out)
