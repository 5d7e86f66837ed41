"""Three doughs on the demo's bench whenever it is opened: one in bulk, one proofing cold, one before the oven."""

from collections.abc import Callable
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any

from sqlalchemy.orm import Session, sessionmaker

from gentle_crust.contract import events as bodies
from gentle_crust.contract.asked import Asked
from gentle_crust.core.bench.happened import keys
from gentle_crust.core.clock import zone_of
from gentle_crust.core.plan.shown import Plan, PlanTimes
from gentle_crust.kitchen.bench import BenchBook
from gentle_crust.kitchen.beside import write_bake
from gentle_crust.kitchen.local_time import LOCAL
from gentle_crust.kitchen.now import Now
from gentle_crust.kitchen.plans import Answer, PlanBook, SavedPlan
from gentle_crust.kitchen.story import ALL
from gentle_crust.kitchen.work import Work
from gentle_crust.store.models import BakeRow, EventRow, PlanRow
from gentle_crust.store.repositories import Events

PREFIX = "demo-"
"""Keys of the demo's own doughs, and of what was pressed for them, begin so."""
LATE = timedelta(minutes=20)
"""A dough that nobody touched and whose next step is this late is begun anew."""
MINUTE = timedelta(minutes=1)
MOST_TRIES = 6
LONG_BEFORE = timedelta(hours=44)
"""The demo's doughs were planned so long ago that nothing about them had to be hurried."""
NONE, LEAST_BULK, LEAST_LEFT, LEAST_COLD = (timedelta(minutes=minutes) for minutes in (0, 140, 20, 75))
"""A dough in bulk was mixed so long ago and has so much before it at least; a cold one was chilled so long ago."""
EVENING_H, BY_DAY_H = (18, 20), (6, 20)
"""Hours between which a dough in bulk goes on into the fridge, and between which a loaf is baked."""
HALF_HOUR = timedelta(minutes=30)
READ_AGO = 8 * MINUTE


@dataclass(frozen=True)
class _Dough:
    """One dough: its formula and pieces, and the moment of its plan that lies so far from now."""

    key: str
    formula: str
    pieces: int
    moment: Callable[[PlanTimes], datetime]
    ahead: timedelta
    """Between now and that moment."""


DOUGHS = (
    _Dough("bulk", "two-tides", 2, lambda times: times.bulk_end, timedelta(minutes=48)),
    _Dough("cold", "saltmarsh-spelt", 3, lambda times: times.load, timedelta(hours=6, minutes=40)),
    _Dough("oven", "lamplighters-tin", 2, lambda times: times.load, timedelta(minutes=17)),
)


def begin_doughs(sessions: sessionmaker[Session], now: Now) -> None:
    """Bring the three to the bench, if it is empty of the demo's own or these were left alone until they were late."""
    if _left_alone(sessions, now):
        _forget(sessions)
    with sessions() as session:
        begun = Events(session).any(bodies.STARTED, PREFIX)
    if not begun:
        stamp = f"{now():%Y%m%d%H%M}"
        for dough in DOUGHS:
            _begin(sessions, now, dough, f"{PREFIX}{dough.key}-{stamp}")
        _baked_yesterday(sessions, now)


def _begin(sessions: sessionmaker[Session], now: Now, dough: _Dough, key: str) -> None:
    """Plan it so that its moment comes when it should, and do all that was due by now, in time."""
    at = now().replace(second=0, microsecond=0)
    saved = SavedPlan(key, at - LONG_BEFORE, _answer(sessions, dough, at))
    PlanBook(Work(sessions, lambda: saved.saved_at)).keep(saved)
    plan = saved.answer.plan
    told: list[tuple[str, datetime, dict[str, Any]]] = [(bodies.STARTED, plan.begins - 10 * MINUTE, {})]
    for name, step in zip(keys(plan.steps), plan.steps, strict=True):
        done = step.at + step.minutes * MINUTE
        if done <= at:
            told.append((bodies.STEP, done, {"key": name, "skipped": False}))
    if dough.key == "bulk":
        told.append((bodies.READ, at - READ_AGO, _read(plan, at - READ_AGO)))
    _tell(sessions, key, told)


def _baked_yesterday(sessions: sessionmaker[Session], now: Now) -> None:
    """A bake of yesterday morning, finished: bulk went on a little longer, one fold was left out, and it was liked."""
    key = f"{PREFIX}baked-{now():%Y%m%d}"
    book = PlanBook(Work(sessions, lambda: now() - timedelta(days=3)))
    zone = zone_of(book.settings.get().zone)
    ready = (now().astimezone(zone) - timedelta(days=1)).replace(hour=7, minute=30).strftime(LOCAL)
    answer = book.preview(Asked("tidewater-country", ready=ready, culture_id=""))
    book.keep(SavedPlan(key, book.now(), answer))
    plan = answer.plan
    if plan.times is None:
        raise AssertionError("a plan of today has its times")
    told: list[tuple[str, datetime, dict[str, Any]]] = [(bodies.STARTED, plan.begins - 10 * MINUTE, {})]
    for name, step in zip(keys(plan.steps), plan.steps, strict=True):
        longer = 22 * MINUTE if step.kind in ("divide", "shape", "chill") else NONE
        done = step.at + step.minutes * MINUTE + longer
        told.append((bodies.STEP, done, {"key": name, "skipped": name == "fold-4"}))
    told.append((bodies.READ, plan.times.bulk_end - 35 * MINUTE, _read(plan, plan.times.bulk_end - 65 * MINUTE)))
    told.append((bodies.NOTE, plan.times.bulk_end - 30 * MINUTE, {"text": "Slower than foretold: gave it longer."}))
    told.append((bodies.OUTCOME, plan.out + timedelta(hours=3), {"how": "right"}))
    told.append((bodies.NOTE, plan.out + timedelta(hours=3), {"text": "Open crumb, crackling crust. Do it so again."}))
    told.append((bodies.FINISHED, plan.out + timedelta(hours=3), {}))
    _tell(sessions, key, told)


def _tell(sessions: sessionmaker[Session], key: str, told: list[tuple[str, datetime, dict[str, Any]]]) -> None:
    """Keep what happened to a dough, in the order of its time."""
    with sessions.begin() as session:
        for number, (kind, when, body) in enumerate(sorted(told, key=lambda each: each[1])):
            Events(session).add(EventRow(id=f"{key}-{number}", kind=kind, subject=key, at=when, body=body))
        write_bake(session, key)


def _answer(sessions: sessionmaker[Session], dough: _Dough, at: datetime) -> Answer:
    """The plan whose moment lies as far from ``at`` as it should, to a minute."""
    book = PlanBook(Work(sessions, lambda: at - LONG_BEFORE))
    zone = zone_of(book.settings.get().zone)
    in_the_evening = EVENING_H[0] <= at.astimezone(zone).hour < EVENING_H[1]

    def plan(ready: datetime, style: str) -> tuple[Answer, PlanTimes]:
        asked = Asked(dough.formula, pieces=dough.pieces, style=style, culture_id="",
                      ready=ready.astimezone(zone).strftime(LOCAL))  # fmt: skip
        answer = book.preview(asked)
        if answer.plan.times is None:
            raise AssertionError("a plan of today has its times")
        return answer, answer.plan.times

    def unlike(found: tuple[Answer, PlanTimes]) -> float:
        """By how many hours a cold plan misses what this dough is to show, hours of the night counting heavily."""
        times = found[1]
        by_night = not BY_DAY_H[0] <= times.load.astimezone(zone).hour < BY_DAY_H[1]
        if dough.key == "bulk":
            missed = abs(times.bulk_end - at - dough.ahead)
            missed += 9 * max(times.mix - at + LEAST_BULK, at + LEAST_LEFT - times.bulk_end, NONE)
        else:
            missed = 3 * max(times.chill + LEAST_COLD - at, NONE) + abs(times.load - at - dough.ahead) / 4
        return missed / timedelta(hours=1) + 3 * by_night

    if dough.key == "cold" or (dough.key == "bulk" and in_the_evening):
        # A cold proof is as long as suits the night, so it is looked for rather than reckoned back.
        halves = range(20, 48) if dough.key == "bulk" else range(6, 52, 2)
        return min((plan(at + n * HALF_HOUR, "cold_shaped") for n in halves), key=unlike)[0]
    ready = at + dough.ahead
    for _ in range(MOST_TRIES):
        answer, times = plan(ready, "room_steady")
        off = dough.moment(times) - (at + dough.ahead)
        if abs(off) < MINUTE:
            break
        ready -= off
    return answer


def _read(plan: Plan, at: datetime) -> dict[str, Any]:
    """A rise read by eye, as the forecast had it, to the nearest five."""
    bulk = next(part for part in plan.ribbon.parts if part.kind == "bulk")
    point = min(bulk.points, key=lambda point: abs(point.at - at))
    return {"kind": "rise_eye", "value": max(round(20 * point.rise), 1) / 20, "sure": False}


def _left_alone(sessions: sessionmaker[Session], now: Now) -> bool:
    """Whether the demo's doughs on the bench are late, and nobody but the demo ever pressed anything about them."""
    mine = [dough for dough in BenchBook(Work(sessions, now)).view().doughs if dough.id.startswith(PREFIX)]
    if not any(dough.live.next and now() - dough.live.next.at > LATE for dough in mine):
        return False
    with sessions() as session:
        told = [event for dough in mine for event in Events(session).plain(*ALL, subject=dough.id)]
    return all(event[0].startswith(PREFIX) for event in told)


def _forget(sessions: sessionmaker[Session]) -> None:
    """Take the demo's own untouched doughs out again, made up as they are."""
    with sessions.begin() as session:
        for table, column in ((EventRow, EventRow.subject), (BakeRow, BakeRow.id), (PlanRow, PlanRow.id)):
            session.query(table).filter(column.startswith(PREFIX)).delete(synchronize_session=False)
