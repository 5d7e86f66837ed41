"""Ways out of a clash, each proved by carrying the dough through it; and rescues for a dough that went too far."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from typing import Literal

from gentle_crust.core.bench.clashes import Absence, Clash, called
from gentle_crust.core.bench.happened import Happened, Held
from gentle_crust.core.bench.live import Live, still_to_do
from gentle_crust.core.clock import Clock, Stand
from gentle_crust.core.errors import CraftError
from gentle_crust.core.messages import Message, joined, message
from gentle_crust.core.plan.ribbon import nights_between

ChangeCode = Literal["chill", "chill_bowl", "warm", "cool", "load_at", "hold_cold", "wait", "reshape", "flatbread"]
WARM_C, COOL_C, CELLAR_C = 27.0, 18.0, 15.0
"""A warm place, a cool one and a cellar, as kitchens have them (practice)."""
COLD_H = (8.0, 20.0)
"""How long a shaped dough that was meant for the room does well in the fridge (practice)."""
AFTER_UP = timedelta(minutes=10)
BEGINNINGS = ("feed", "levain", "preferment", "autolyse", "mix")
DAY, SAME_EVENING = timedelta(hours=24), timedelta(hours=13)
LONGEST_WAIT, SOON = timedelta(minutes=75), timedelta(minutes=2)
"""So long a dough may wait for its hands to come back, if its proof allows (practice)."""
MOST = 2
QUARTER = timedelta(minutes=15)


@dataclass(frozen=True)
class Change:
    """One change of a dough's course: stand it elsewhere, turn its proof cold, load it at another time, rescue it.

    ``key``: the step that waits ``until`` then, for the code wait. A dough that stands elsewhere and has a
    ``load_at`` is proofed in the fridge after that.
    """

    code: ChangeCode
    at: datetime
    until: datetime | None = None
    ambient_c: float | None = None
    load_at: datetime | None = None
    key: str = ""


@dataclass(frozen=True)
class Remedy:
    """A change with what it comes to, in a sentence."""

    change: Change
    sentence: Message
    out: datetime


def changed(happened: Happened, change: Change) -> Happened:
    """What happened, with a change taken into account."""
    if change.code in ("warm", "cool", "chill_bowl"):
        if change.ambient_c is None:
            raise CraftError("change.ambient_c", "scheduling-stand-missing")
        stand = Stand(change.at, change.until, change.ambient_c)
        stood = replace(happened, stands=(*happened.stands, stand))
        if change.load_at is None:
            return stood
        return replace(stood, cold_from=change.until or change.at, load_at=change.load_at)
    if change.code in ("chill", "hold_cold"):
        if change.load_at is None:
            raise CraftError("change.load_at", "scheduling-load-missing")
        return replace(happened, cold_from=change.at, load_at=change.load_at)
    if change.code == "load_at":
        return replace(happened, load_at=change.load_at)
    if change.code == "wait":
        if change.until is None or not change.key:
            raise CraftError("change.until", "scheduling-hold-missing")
        waits = (*happened.held, Held(change.key, change.at, change.until))
        return replace(happened, held=waits, load_at=change.load_at or happened.load_at)
    if change.code == "reshape":
        return replace(happened, reshaped=change.at)
    return replace(happened, flat=True, load_at=change.at)


Try = Callable[[Change], tuple[Live, tuple[Clash, ...]]]
"""Carries the dough on with a change; what it then runs into."""


def remedies(
    found: Live,
    clock: Clock,
    fridge_c: float,
    now: datetime,
    attempt: Try,
    away: tuple[Absence, ...] = (),
) -> tuple[Remedy, ...]:
    """Two changes at most after which the dough runs into nothing, the gentlest first."""
    out: list[Remedy] = []
    nearly: list[Remedy] = []
    for change in _candidates(found, clock, fridge_c, now, away):
        if any(change.code == other.change.code for other in out):
            continue
        try:
            after, left = attempt(change)
        except CraftError:
            continue
        sentence = _sentence(change, after)
        if not left:
            out.append(Remedy(change, sentence, after.plan.out))
        elif all(clash.code == "hands" for clash in left):
            busy = joined(sentence, message("remedy-busy", at=left[0].at))
            nearly.append(Remedy(change, busy, after.plan.out))
        if len(out) == MOST:
            break
    codes = {one.change.code for one in out}
    for one in nearly:
        if len(out) < MOST and one.change.code not in codes:
            out.append(one)
            codes.add(one.change.code)
    return tuple(out)


def _candidates(
    found: Live, clock: Clock, fridge_c: float, now: datetime, away: tuple[Absence, ...]
) -> Iterator[Change]:
    times, dues = found.plan.times, found.plan.dues
    done = {step.key for step in found.steps if step.state == "done"}
    if times is None or dues is None or "load-1" in done:
        return
    yield from _waits(found, away, now)
    if "mix-1" not in done:
        yield from _later_starts(found, clock, now)
    cold = found.plan.proof.fridge_hours > 0
    mornings = _mornings(clock, now, found)
    if cold:
        for hours in (-1.0, 1.0, -2.0, 2.0, 3.0, 4.0, 6.0, 8.0):
            load = times.load + timedelta(hours=hours)
            if load > now:
                yield Change("load_at", now, load_at=load)
        for load in mornings:
            yield Change("load_at", now, load_at=load)
    else:
        start = max(times.proof_start, now)
        for wait in (0.0, 0.5, 1.0):
            begin = start + timedelta(hours=wait)
            for load in mornings:
                if COLD_H[0] <= (load - begin) / timedelta(hours=1) <= COLD_H[1]:
                    yield Change("chill", begin, load_at=load)
        for hours in (1.0, 1.5, 2.0, 3.0, 4.0):
            yield Change("hold_cold", start, load_at=_quarter(start + timedelta(hours=hours)))
    yield Change("warm", now, times.load, WARM_C)
    yield Change("cool", now, times.load, COOL_C)
    yield Change("cool", now, times.load, CELLAR_C)
    if "mix-1" in done and "divide-1" not in done:
        for bed, up in [*((each.start, each.end) for each in away), *_nights(clock, now)]:
            begin = max(bed - AFTER_UP, now)
            if begin < times.bulk_end + timedelta(hours=3):
                yield Change("chill_bowl", begin, up + AFTER_UP, fridge_c)
                for load in () if cold else mornings:
                    yield Change("chill_bowl", begin, up + AFTER_UP, fridge_c, load)


def _waits(found: Live, away: tuple[Absence, ...], now: datetime) -> Iterator[Change]:
    """A step that falls into an absence waits until it is over, if that is not long."""
    for step in still_to_do(found):
        for each in away:
            if each.start <= step.at < each.end and each.end - step.at <= LONGEST_WAIT:
                yield Change("wait", now, each.end + SOON, key=step.key)
                return


def _later_starts(found: Live, clock: Clock, now: datetime) -> Iterator[Change]:
    """A dough that is not mixed yet is begun before bed or after getting up, and baked the evening or morning after."""
    first = next((step for step in still_to_do(found) if step.kind in BEGINNINGS), None)
    if first is None:
        return
    cold = found.plan.proof.fridge_hours > 0
    for bed, up in _nights(clock, now):
        for start in (up + AFTER_UP, bed - AFTER_UP):
            if start < max(now, first.at):
                continue
            loads = [load + DAY for load in _mornings(clock, now, found)] + [_quarter(up + SAME_EVENING)]
            for load in loads if cold else [None]:
                yield Change("wait", now, start, load_at=load, key=first.key)


def _nights(clock: Clock, now: datetime) -> list[tuple[datetime, datetime]]:
    """Bedtime and getting up of the night that is, or comes, first."""
    hours = clock.hours(now)
    return [(night.start, night.end) for night in nights_between(clock, hours, hours + 24) if night.end > now][:1]


def _mornings(clock: Clock, now: datetime, found: Live) -> list[datetime]:
    """Times after getting up at which a loaf can be loaded, if the oven is switched on then."""
    preheat = timedelta(minutes=found.plan.bake.preheat_min)
    night = _nights(clock, now)
    if not night:
        return []
    up = night[0][1]
    first = up + AFTER_UP + preheat
    return [_quarter(first + timedelta(hours=more)) for more in (0.0, 1.0, 2.0)]


def _quarter(when: datetime) -> datetime:
    past = timedelta(minutes=when.minute % 15, seconds=when.second, microseconds=when.microsecond)
    return when if not past else when + QUARTER - past


def _sentence(change: Change, after: Live) -> Message:
    times = after.plan.times
    load = times.load if times else after.plan.out
    ends = {step.key: step for step in after.steps if step.state in ("due", "coming")}
    if change.code == "chill":
        return message("remedy-chill", at=change.at, load=load)
    if change.code == "wait":
        waiting = ends.get(change.key)
        step = message("course-step-mix") if waiting is None else called(waiting)
        return message("remedy-wait", step=step, at=change.at if waiting is None else waiting.at, load=load)
    if change.code == "hold_cold":
        return message("remedy-hold", at=change.at, load=load)
    if change.code == "load_at":
        return message("remedy-load", load=load)
    first = next((ends[key].at for key in ("divide-1", "shape-1") if key in ends), None)
    cold = "-cold" if change.code == "chill_bowl" and change.load_at is not None else ""
    then = (
        message(f"remedy-then-load{cold}", load=load)
        if first is None
        else message(f"remedy-then-divide{cold}", at=first, load=load)
    )
    if change.code == "chill_bowl":
        return message("remedy-bowl", at=change.at, up=change.until or change.at, then=then)
    if change.code in ("warm", "cool"):
        return message(f"remedy-{change.code}", warm=round(change.ambient_c or 0, 1), then=then)
    return message("remedy-reshape" if change.code == "reshape" else "remedy-flat")


def rescues(found: Live, now: datetime, attempt: Try) -> tuple[Remedy, ...]:
    """What can be made of a dough that has gone over: fold, shape and proof it again, or bake it flat."""
    done = {step.key for step in found.steps if step.state == "done"}
    if "shape-1" not in done or "load-1" in done:
        return ()
    out = []
    for change in (Change("reshape", now), Change("flatbread", now)):
        try:
            after, _ = attempt(change)
        except CraftError:
            continue
        times = after.plan.times
        load = times.load if times else after.plan.out
        out.append(Remedy(change, message(f"rescue-{change.code}", load=load), after.plan.out))
    return tuple(out)
