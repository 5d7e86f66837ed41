"""A saved plan that is being baked: what was done and read, kept as events, and the plan as they move it."""

from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from gentle_crust.contract.events import READ, READ_WITHDRAWN
from gentle_crust.contract.shown import Measure, TakenReading
from gentle_crust.core.bench.under_way import Following, follow
from gentle_crust.core.clock import zone_of
from gentle_crust.core.course.believed import Read
from gentle_crust.core.errors import CraftError, Infeasible
from gentle_crust.core.fermentation.readings import (
    Reading,
    ReadingKind,
    check,
    rise_from_heights,
    rise_from_line,
)
from gentle_crust.core.messages import NOTHING
from gentle_crust.core.plan.shown import Plan
from gentle_crust.kitchen.local_time import instant_of
from gentle_crust.kitchen.plans import PlanBook, SavedPlan
from gentle_crust.kitchen.story import ALL, Story, story_of
from gentle_crust.kitchen.work import Work
from gentle_crust.store.models import EventRow
from gentle_crust.store.repositories import Events


@dataclass(frozen=True)
class Followed:
    """A saved plan, its readings in order of time, and the plan as what was done and read moves it.

    None without any, or if the kitchen has changed so that it cannot be reckoned again; the readings then say why.
    """

    saved: SavedPlan
    readings: tuple[TakenReading, ...]
    plan: Plan | None
    started: datetime | None = None
    baked: bool = False
    """Whether it has left the bench again."""


@dataclass(frozen=True)
class Taken:
    """What a baker gives: how it was measured, in what, and when by the kitchen's clock (now, if not said)."""

    measure: Measure
    value: float
    start: float | None = None
    at: str | None = None
    sure: bool = False


def mixed_of(plan: Plan, story: Story) -> datetime | None:
    """When a plan's dough was mixed, or is to be; None of a plan of an older kind."""
    if plan.times is None:
        return None
    done = story.happened.done("mix-1")
    if done is None:
        return plan.times.mix
    return done - timedelta(minutes=next((step.minutes for step in plan.steps if step.kind == "mix"), 0))


def readings_of(story: Story, mixed: datetime) -> tuple[TakenReading, ...]:
    """Readings of this dough: those from before it was mixed are not of it."""
    return tuple(each for each in story.readings if each.at >= mixed)


def as_read(readings: tuple[TakenReading, ...], eye: float = 0.0) -> tuple[Read, ...]:
    """Readings as the core counts them; those by an ``eye`` that reads so much too high are put right."""
    return tuple(
        Read(each.at, each.kind, each.value - (eye if each.kind == "rise_eye" else 0.0), each.sure) for each in readings
    )


def value_of(taken: Taken, plan: Plan) -> tuple[ReadingKind, float]:
    """The rise or temperature that a reading comes to."""
    if taken.measure == "celsius":
        return "dough_c", taken.value
    if taken.measure == "ready":
        return "ready", plan.proof.bulk_rise
    if taken.measure == "line_ml":
        return "rise_box", rise_from_line(taken.value, plan.totals.dough_g)
    if taken.measure == "heights_mm":
        if taken.start is None:
            raise CraftError("start", "kitchen-first-height-missing")
        return "rise_jar", rise_from_heights(taken.start, taken.value)
    return "rise_eye", taken.value / 100


class FollowBook:
    """Readings of saved plans."""

    def __init__(self, work: Work) -> None:
        self.work, self.now = work, work.now
        self.plans = PlanBook(work)

    def open(self, key: str) -> Followed:
        """A saved plan and what was done and read of its dough."""
        story = self.story(key)
        left = story.started is not None and not story.on_bench(self.now())
        return replace(self._open(key, story), baked=left)

    def _open(self, key: str, story: Story) -> Followed:
        saved = self.plans.open(key)
        times, mixed = saved.answer.plan.times, mixed_of(saved.answer.plan, story)
        if times is None or mixed is None:
            return Followed(saved, story.readings, None, story.started)
        taken = readings_of(story, mixed)
        if not taken and not story.happened.deeds:
            return Followed(saved, taken, None, story.started)
        following = Following(
            as_read(taken, self.plans.learning.bias("eye")),
            story.looked(mixed),
            story.happened,
            self.now() if story.happened.deeds else None,
        )
        try:
            plan = follow(saved.answer.plan, self.plans.question(saved), following).plan
        except CraftError as error:
            why = error.what
            return Followed(saved, tuple(replace(each, doubt=why) for each in taken), None, story.started)
        doubted = {doubt.index: doubt.sentence for doubt in plan.told.doubts} if plan.told else {}
        taken = tuple(replace(each, doubt=doubted.get(index, NOTHING)) for index, each in enumerate(taken))
        return Followed(saved, taken, plan, story.started)

    def story(self, key: str) -> Story:
        """What happened to a plan's dough."""
        with self.work.read() as session:
            return story_of(Events(session).plain(*ALL, subject=key))

    def take(self, key: str, reading_key: str, taken: Taken) -> Followed:
        """Keep a reading under the client's own key, so that a retry adds nothing. CraftError if it cannot be."""
        saved = self.plans.open(key)
        mixed = mixed_of(saved.answer.plan, self.story(key))
        if mixed is None:
            raise Infeasible("plan", "kitchen-plan-too-old-to-read-dough")
        zone = zone_of(saved.answer.asked.zone or "UTC")
        at = self.now() if taken.at is None else instant_of(taken.at, zone, "at")
        if at > self.now():
            raise CraftError("at", "kitchen-read-in-future")
        kind, value = value_of(taken, saved.answer.plan)
        check(Reading((at - mixed) / timedelta(hours=1), kind, value, taken.sure))
        body = {"kind": kind, "value": value, "sure": taken.sure}
        with self.work.write() as session:
            Events(session).add(EventRow(id=reading_key, kind=READ, subject=key, at=at, body=body))
        return self.open(key)

    def withdraw(self, key: str, reading_key: str) -> Followed:
        """A reading that was a mistake; it stays on record and no longer counts."""
        withdrawal = EventRow(
            id=f"{reading_key}-w"[:60], kind=READ_WITHDRAWN, subject=key, at=self.now(), body={"reading": reading_key}
        )
        with self.work.write() as session:
            Events(session).add(withdrawal)
        return self.open(key)
