"""A saved plan that is being baked: its readings, kept as events, and the plan as they move it."""

from dataclasses import dataclass, replace
from datetime import datetime
from typing import Literal

from sqlalchemy.orm import Session, sessionmaker

from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.readings import (
    Reading,
    ReadingKind,
    check,
    rise_from_heights,
    rise_from_line,
)
from gentle_crust.core.scheduling.clock import zone_of
from gentle_crust.core.scheduling.follow import Following
from gentle_crust.core.scheduling.plan import make_plan
from gentle_crust.core.scheduling.result import Plan
from gentle_crust.kitchen.local_time import instant_of
from gentle_crust.kitchen.now import Now
from gentle_crust.kitchen.plans import PlanBook, SavedPlan
from gentle_crust.store.models import EventRow
from gentle_crust.store.repositories import Events

READ, WITHDRAWN = "reading", "reading_withdrawn"
Measure = Literal["percent", "line_ml", "heights_mm", "celsius", "ready"]


@dataclass(frozen=True)
class TakenReading:
    """A reading as it was taken: a rise or a temperature in ``value``; ``doubt`` says why it is hard to believe."""

    id: str
    at: datetime
    kind: ReadingKind
    value: float
    sure: bool
    doubt: str


@dataclass(frozen=True)
class Followed:
    """A saved plan, its readings in order of time, and the plan as they move it.

    None without any, or if the kitchen has changed so that it cannot be reckoned again; the readings then say why.
    """

    saved: SavedPlan
    readings: tuple[TakenReading, ...]
    plan: Plan | None


@dataclass(frozen=True)
class Taken:
    """What a baker gives: how it was measured, in what, and when by the kitchen's clock (now, if not said)."""

    measure: Measure
    value: float
    start: float | None = None
    at: str | None = None
    sure: bool = False


class FollowBook:
    """Readings of saved plans."""

    def __init__(self, sessions: sessionmaker[Session], now: Now) -> None:
        self.sessions, self.now = sessions, now
        self.plans = PlanBook(sessions, now)

    def open(self, key: str) -> Followed:
        """A saved plan and what was read of its dough; readings from before a plan's newer mixing are not of it."""
        saved = self.plans.open(key)
        taken = self._readings(key)
        times = saved.answer.plan.times
        if times is not None:
            taken = tuple(each for each in taken if each.at >= times.mix)
        if not taken or times is None:
            return Followed(saved, taken, None)
        readings = tuple(
            Reading((each.at - times.mix).total_seconds() / 3600, each.kind, each.value, each.sure) for each in taken
        )
        following = Following(times, saved.answer.plan.proof.bulk_rise, readings)
        try:
            wish, kitchen = self.plans.question(saved.answer)
            plan = make_plan(wish, kitchen, saved.saved_at, following)
        except CraftError as error:
            why = f"{error.sentence} {error.remedy}"
            return Followed(saved, tuple(replace(each, doubt=why) for each in taken), None)
        doubted = {doubt.index: doubt.sentence for doubt in plan.told.doubts} if plan.told else {}
        taken = tuple(replace(each, doubt=doubted.get(index, "")) for index, each in enumerate(taken))
        return Followed(saved, taken, plan)

    def take(self, key: str, reading_key: str, taken: Taken) -> Followed:
        """Keep a reading under the client's own key, so that a retry adds nothing. CraftError if it cannot be."""
        saved = self.plans.open(key)
        times = saved.answer.plan.times
        if times is None:
            raise CraftError("plan", "This plan is of an older kind.", "Save it once more, then read its dough.")
        zone = zone_of(saved.answer.asked.zone or "UTC")
        at = self.now() if taken.at is None else instant_of(taken.at, zone, "at")
        if at > self.now():
            raise CraftError("at", "That time is still to come.", "Give the time at which it was read.")
        kind, value = self._value(taken, saved.answer.plan)
        check(Reading((at - times.mix).total_seconds() / 3600, kind, value, taken.sure))
        body = {"kind": kind, "value": value, "sure": taken.sure}
        with self.sessions.begin() as session:
            Events(session).add(EventRow(id=reading_key, kind=READ, subject=key, at=at, body=body))
        return self.open(key)

    def withdraw(self, key: str, reading_key: str) -> Followed:
        """A reading that was a mistake; it stays on record and no longer counts."""
        withdrawal = EventRow(
            id=f"{reading_key}-w"[:60], kind=WITHDRAWN, subject=key, at=self.now(), body={"reading": reading_key}
        )
        with self.sessions.begin() as session:
            Events(session).add(withdrawal)
        return self.open(key)

    def _value(self, taken: Taken, plan: Plan) -> tuple[ReadingKind, float]:
        if taken.measure == "celsius":
            return "dough_c", taken.value
        if taken.measure == "ready":
            return "ready", plan.proof.bulk_rise
        if taken.measure == "line_ml":
            return "rise_box", rise_from_line(taken.value, plan.totals.dough_g)
        if taken.measure == "heights_mm":
            if taken.start is None:
                raise CraftError("start", "The height at first is missing.", "Give it in mm.")
            return "rise_jar", rise_from_heights(taken.start, taken.value)
        return "rise_eye", taken.value / 100

    def _readings(self, key: str) -> tuple[TakenReading, ...]:
        with self.sessions() as session:
            rows = Events(session).of(READ, WITHDRAWN, subject=key)
        gone = {row.body["reading"] for row in rows if row.kind == WITHDRAWN}
        return tuple(
            TakenReading(row.id, row.at, row.body["kind"], float(row.body["value"]), bool(row.body["sure"]), "")
            for row in rows
            if row.kind == READ and row.id not in gone
        )
