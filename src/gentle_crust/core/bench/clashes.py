"""What the coming hours of a dough run into: sleep, an absence, another dough's hands or oven, its own proof."""

from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Literal

from gentle_crust.core.bench.live import Live, LiveStep, shifted, still_to_do
from gentle_crust.core.clock import Clock
from gentle_crust.core.course.steps import CODES
from gentle_crust.core.messages import Message, listed, message, named

ClashCode = Literal["asleep", "away", "hands", "oven", "over_proofed", "under_proofed"]
LEAST_MIN = 4
"""Hands wanted in two places for no longer than this are no clash: a fold or a switch can slip (practice)."""
OWN = ("over_proofed", "under_proofed")


@dataclass(frozen=True)
class Absence:
    """From when to when the baker is away."""

    start: datetime
    end: datetime


@dataclass(frozen=True)
class Hands:
    """Hands wanted by a dough, from ``start`` for some minutes."""

    title: Message
    start: datetime
    end: datetime


@dataclass(frozen=True)
class Taken:
    """What another dough takes: hands, and for each of its parts the oven from loading to its last loaf."""

    name: str
    hands: tuple[Hands, ...]
    ovens: tuple[tuple[datetime, datetime], ...]


@dataclass(frozen=True)
class Clash:
    """Something that will not do: a sentence, and when it comes to that."""

    code: ClashCode
    sentence: Message
    at: datetime


def taken_by(name: str, found: Live, now: datetime) -> Taken:
    """What a dough takes from now on, for the others to heed."""
    hands = tuple(_hands(shifted(step, now)) for step in still_to_do(found))
    return Taken(name, hands, ovens_of(found, now))


def _hands(step: LiveStep) -> Hands:
    return Hands(called(step), step.at, step.at + timedelta(minutes=max(step.minutes, 1)))


def ovens_of(found: Live, now: datetime) -> tuple[tuple[datetime, datetime], ...]:
    """From the loading to the last loaf out, of each part of which that is not over."""
    spans = []
    for part in dict.fromkeys(step.part for step in found.steps if step.kind == "out"):
        own = [step for step in found.steps if step.part == part]
        loads = [step.at for step in own if step.kind == "load"]
        outs = [step.at for step in own if step.kind == "out" and step.state in ("due", "coming")]
        if loads and outs:
            spans.append((min(loads), max(*outs, now)))
    return tuple(spans)


def clashes(
    found: Live, clock: Clock, absences: tuple[Absence, ...], others: tuple[Taken, ...], now: datetime
) -> tuple[Clash, ...]:
    """All that a dough runs into from now on, the soonest first."""
    steps = [shifted(step, now) for step in still_to_do(found)]
    hit = [*_asleep(steps, clock), *_away(steps, absences), *_hands_twice(steps, others)]
    hit += _oven_twice(found, others, now)
    if not any(step.key == "load-1" and step.state in ("done", "skipped") for step in found.steps):
        at = found.plan.times.load if found.plan.times else now
        hit += [
            Clash(problem.code, problem.sentence, at)  # type: ignore[arg-type]
            for problem in found.plan.problems
            if problem.code in OWN
        ]
    return tuple(sorted(hit, key=lambda clash: clash.at))


def called(step: LiveStep) -> Message:
    """A step within a sentence."""
    return message(f"course-step-{step.kind}") if step.kind in CODES else step.title


def _list(steps: list[LiveStep]) -> Message:
    said = listed(*(message("clash-listed", step=called(step), at=step.at) for step in steps[:3]))
    return said if len(steps) <= 3 else message("clash-listed-more", steps=said, more=len(steps) - 3)


def _asleep(steps: list[LiveStep], clock: Clock) -> list[Clash]:
    hit = []
    for step in steps:
        start = clock.hours(step.at)
        if clock.asleep_min(start, start + max(step.minutes, 1) / 60) >= 1:
            hit.append(step)
    return [Clash("asleep", message("clash-asleep", steps=_list(hit)), hit[0].at)] if hit else []


def _away(steps: list[LiveStep], absences: tuple[Absence, ...]) -> list[Clash]:
    hit = [step for step in steps if any(each.start <= step.at < each.end for each in absences)]
    return [Clash("away", message("clash-away", steps=_list(hit)), hit[0].at)] if hit else []


def _hands_twice(steps: list[LiveStep], others: tuple[Taken, ...]) -> list[Clash]:
    found = []
    for step in steps:
        own = _hands(step)
        for other in others:
            for theirs in other.hands:
                shared = (min(own.end, theirs.end) - max(own.start, theirs.start)) / timedelta(minutes=1)
                if shared > LEAST_MIN:
                    sentence = message(
                        "clash-hands", minutes=round(shared), step=called(step), at=step.at, name=named(other.name),
                        other=theirs.title,
                    )  # fmt: skip
                    found.append(Clash("hands", sentence, step.at))
    return found[:1]


def _oven_twice(found: Live, others: tuple[Taken, ...], now: datetime) -> list[Clash]:
    for own in ovens_of(found, now):
        for other in others:
            met = next((its for its in other.ovens if own[0] < its[1] and its[0] < own[1]), None)
            if met is not None:
                sentence = message("clash-oven", name=named(other.name), until=met[1], at=own[0])
                return [Clash("oven", sentence, own[0])]
    return []
