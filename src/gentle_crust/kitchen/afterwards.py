"""A bake that is entered when it is over: what its baker remembers is kept as told, the rest reckoned and marked so."""

from dataclasses import replace
from datetime import datetime, timedelta
from typing import Any

from gentle_crust.contract import events as bodies
from gentle_crust.contract.asked import Asked
from gentle_crust.contract.log import AfterwardsBody
from gentle_crust.core import limits
from gentle_crust.core.bench.happened import keys
from gentle_crust.core.clock import zone_of
from gentle_crust.core.course.as_written import as_written
from gentle_crust.core.course.tailored import baked_at
from gentle_crust.core.errors import Conflict, CraftError, within
from gentle_crust.core.plan.shown import Plan
from gentle_crust.kitchen.beside import write_bake
from gentle_crust.kitchen.local_time import instant_of
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work
from gentle_crust.store.models import EventRow
from gentle_crust.store.repositories import Events

SHORTEST, LONGEST = timedelta(minutes=45), timedelta(days=6)
"""Between mixing and oven (practice)."""
LONGEST_NOTE = 2000
YEAR = timedelta(days=365.25)
Told = tuple[str, datetime, dict[str, Any]]
"""An event to be kept: its kind, its time, what it holds."""


def enter(work: Work, key: str, body: AfterwardsBody) -> None:
    """Enter a bake: a plan that begins with its mixing, and its steps at the hours that were told or reckoned.

    Entered twice it is there once. Raises CraftError that names a time that cannot be.
    """
    zone = zone_of(KitchenSettings(work).get().zone)
    mixed, out = (instant_of(text, zone, name) for name, text in (("mixed", body.mixed), ("out", body.out)))
    _check(mixed, out, work.now(), body)
    with work.read() as session:
        there = Events(session).plain(bodies.STARTED, subject=key)
    if there:
        return
    asked = Asked(
        body.formula_id, version=body.version, pieces=body.pieces, scaling_weight_g=body.scaling_weight_g,
        style=body.style, method=body.method, vessel_id=body.vessel_id, dough_c=body.dough_c, culture_id="",
    )  # fmt: skip
    book = PlanBook(work)
    if body.oven_c is not None or body.baked_min is not None:
        asked = _baked_so(book, asked, body)
    saved = book.for_mixed(key, asked, mixed)
    plan = saved.answer.plan
    if plan.times is None:
        raise Conflict("formula_id", "kitchen-plan-too-old-to-start")
    told = _told(plan, mixed, out, body)
    with work.write() as session:
        book.keep(saved)
        for number, (kind, at, what) in enumerate(told):
            Events(session).add(EventRow(id=f"{body.event}-{number}"[:60], kind=kind, subject=key, at=at, body=what))
        session.flush()
        write_bake(session, key)


def _baked_so(book: PlanBook, asked: Asked, body: AfterwardsBody) -> Asked:
    """The question with the oven as it was told."""
    if body.oven_c is not None:
        within("oven_c", limits.DIAL_SET_C, body.oven_c)
    if body.baked_min is not None:
        within("baked_min", limits.STAGE_MIN, body.baked_min)
    method = baked_at(book.ask(asked).method, body.oven_c, body.baked_min)
    return replace(asked, style=None, method=as_written(method), vessel_id=None)


def _check(mixed: datetime, out: datetime, now: datetime, body: AfterwardsBody) -> None:
    if out > now + timedelta(minutes=5):
        raise CraftError("out", "afterwards-in-future")
    if not SHORTEST <= out - mixed <= LONGEST:
        raise CraftError("out", "afterwards-how-long", least=SHORTEST / timedelta(minutes=1), days=LONGEST.days)
    within("mixed", limits.LOG_YEARS, (now - mixed) / YEAR)
    if len(body.note) > LONGEST_NOTE:
        raise CraftError("note", "kitchen-note-length")


def _told(plan: Plan, mixed: datetime, out: datetime, body: AfterwardsBody) -> list[Told]:
    """Events of a bake of which mixing and oven are known: everything else keeps its place between them."""
    times = plan.times
    if times is None:
        raise AssertionError("a plan of today has its times")
    planned = max(step.at + timedelta(minutes=step.minutes) for step in plan.steps if step.kind == "out")
    loaded = out - (planned - times.load)
    pace = (loaded - mixed) / max(times.load - times.mix, timedelta(minutes=1))

    def moved(at: datetime) -> datetime:
        if at <= times.mix:
            return mixed + (at - times.mix)
        # The oven goes by its own minutes; between mixing and oven the dough took as long as it took.
        return mixed + (at - times.mix) * pace if at <= times.load else out + (at - planned)

    steps: list[Told] = []
    for name, step in zip(keys(plan.steps), plan.steps, strict=True):
        took = timedelta(minutes=step.minutes)
        at = mixed + took if step.kind == "mix" else moved(step.at + took)
        known = step.kind == "mix" or (step.kind == "out" and at == out)
        steps.append((bodies.STEP, at, {"key": name, "skipped": False, **({} if known else {"guessed": True})}))
    first, last = min(at for _, at, _ in steps), max(at for _, at, _ in steps)
    cuts = max(sum(step.kind == "cut" for step in plan.steps), 1)
    begun: Told = (bodies.STARTED, first, {"cuts": cuts, "afterwards": True})
    told = [begun, *steps, (bodies.FINISHED, last, {})]
    if body.dough_c is not None:
        told.append(
            (bodies.READ, mixed + timedelta(minutes=1), {"kind": "dough_c", "value": body.dough_c, "sure": True})
        )
    if body.note.strip():
        told.append((bodies.NOTE, last, {"text": body.note.strip()}))
    return told
