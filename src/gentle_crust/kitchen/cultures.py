"""Cultures: kept, fed, looked at; what happened to each is a list of events that only grows."""

import logging
from collections.abc import Iterator, Sequence
from dataclasses import asdict, dataclass, fields
from datetime import datetime, timedelta
from functools import cached_property
from typing import Any
from uuid import NAMESPACE_URL, uuid5

from sqlalchemy.orm import Session

from gentle_crust.contract.cultures import (
    AwayShown,
    CultureLine,
    CultureView,
    FeedAnswerShown,
    PutAwayCulture,
    Withdrawn,
)
from gentle_crust.contract.documents import CULTURE
from gentle_crust.contract.events import CULTURE_KINDS as KINDS
from gentle_crust.contract.events import CULTURE_REINSTATED as REINSTATED
from gentle_crust.contract.events import CULTURE_WITHDRAWN as WITHDRAWN
from gentle_crust.contract.tidy import clean
from gentle_crust.core.cautions import caution
from gentle_crust.core.clock import Clock, Room, zone_of
from gentle_crust.core.culture.ahead import feed_ahead
from gentle_crust.core.culture.away import away
from gentle_crust.core.culture.beginning import Guide, guide
from gentle_crust.core.culture.culture import Culture, check_culture
from gentle_crust.core.culture.discard import discard
from gentle_crust.core.culture.doublings import in_a_row, risen
from gentle_crust.core.culture.events import Event, FlourPart, Place, checked, in_order
from gentle_crust.core.culture.feeding import FeedWish
from gentle_crust.core.culture.life import REMEMBERED, Course, Life, courses_of, live
from gentle_crust.core.culture.plain_feed import PlainFeed, plain_feed
from gentle_crust.core.culture.schedule import next_feeds
from gentle_crust.core.culture.standing import Standing
from gentle_crust.core.culture.verdict import Health, health, spoilt
from gentle_crust.core.errors import Conflict, CraftError, Infeasible, NotFound, Unreadable
from gentle_crust.core.leaven.starter import Starter
from gentle_crust.kitchen import culture_view as view
from gentle_crust.kitchen.culture_past import LATELY, LATEST, Past, pasts
from gentle_crust.kitchen.culture_pictures import RECOVERABLE, pictures_of
from gentle_crust.kitchen.learning import LearningBook
from gentle_crust.kitchen.local_time import instant_of
from gentle_crust.kitchen.settings import KitchenSettings, nights
from gentle_crust.kitchen.work import Work
from gentle_crust.store.models import CultureRow, EventRow
from gentle_crust.store.repositories import Cultures, Events

SHOWN_EVENTS = 60
AHEAD = timedelta(days=21)

LOG = logging.getLogger(__name__)
_OWN = tuple(field.name for field in fields(Event) if field.name not in ("id", "at_h", "kind"))


@dataclass(frozen=True)
class DueFeed:
    """The next feed of a culture, overdue if it lies in the past, and those ahead."""

    id: str
    name: str
    at: datetime
    ahead: tuple[datetime, ...]
    then: Place
    """Where it goes once it has begun to rise."""


@dataclass(frozen=True)
class _Known:
    """A culture and its events in order, on a clock that starts now."""

    row: CultureRow
    culture: Culture
    events: tuple[Event, ...]
    withdrawn: tuple[tuple[datetime, Event], ...]
    clock: Clock

    @property
    def may_begin(self) -> bool:
        """Whether its beginning is in sight: no culture without is told how to go on from it."""
        first = next((event for event in self.events if event.feeds), None)
        return first is not None and first.kind == "begun"

    @cached_property
    def courses(self) -> tuple[Course, ...]:
        """One a feed."""
        return courses_of(self.events, 0.0)


def _as_known(row: CultureRow, past: Past, clock: Clock) -> _Known:
    living = tuple(_event(clock, *each) for each in past.living)
    gone = tuple((at, _event(clock, *each)) for at, each in past.gone)
    return _Known(row, CULTURE.read(row.body), in_order(living), gone, clock)


def _event(clock: Clock, key: str, kind: str, at: datetime, body: dict[str, Any]) -> Event:
    also = tuple(FlourPart(**each) for each in body.get("also_flours", ()))
    return Event(**{**body, "id": key, "at_h": clock.hours(at), "kind": kind, "also_flours": also})


def body_of(event: Event) -> dict[str, Any]:
    """What of an event is kept: all that is not as it is without being said."""
    plain = Event("", 0.0, event.kind)
    body = {name: getattr(event, name) for name in _OWN if getattr(event, name) != getattr(plain, name)}
    return body | ({"also_flours": [asdict(each) for each in event.also_flours]} if event.also_flours else {})


def _can_raise(known: _Known) -> bool:
    """Whether a dough may be raised by it: fed at least once, past its beginnings, and clean."""
    courses = known.courses
    return bool(courses) and guide(known.culture, courses, known.clock) is None and not spoilt(courses[-1].looks)


def _starter(known: _Known, life: Life) -> Starter:
    seed, hungry = life.forecast.seed_from, life.forecast.hungry_from
    return Starter(
        id=known.row.id,
        name=known.culture.name,
        flour_kind=known.culture.flour_kind,
        hydration_percent=known.culture.hydration_percent,
        grams=life.grams,
        seed_from=None if seed is None else known.clock.at(seed),
        hungry_from=None if hungry is None else known.clock.at(hungry),
        wake_feeds=life.wake_feeds,
        strength=life.seed.strength,
        vigour=life.vigour,
    )


class CultureBook:
    """All cultures of a kitchen."""

    def __init__(self, work: Work) -> None:
        self.work, self.now = work, work.now
        self.settings = KitchenSettings(work)

    def clock(self) -> Clock:
        """The kitchen's clock, starting with the minute that begins next: what happens now lies before it."""
        here = self.settings.get()
        room = Room(here.room_day_c, here.room_night_c, here.fridge_c)
        now = self.now()
        minute = now.replace(second=0, microsecond=0)
        origin = minute if minute == now else minute + timedelta(minutes=1)
        return Clock(origin, zone_of(here.zone), nights(here.sleep_from, here.sleep_to), room)

    # -- keeping ---------------------------------------------------------------------------------------------

    def save(self, key: str, culture: Culture) -> None:
        """Keep a culture under the client's own key; the same key again replaces what is known of it, not its past."""
        with self.work.write() as session:
            self._save(session, key, culture)

    def _save(self, session: Session, key: str, culture: Culture) -> CultureRow:
        check_culture(culture)
        row = Cultures(session).get(key)
        if row is None:
            row = CultureRow(id=key, created_at=self.now())
            Cultures(session).add(row)
        row.body, row.updated_at, row.deleted_at = CULTURE.write(culture), self.now(), None
        return row

    def put_away(self, key: str, away_: bool = True) -> None:
        """Delete a culture, or bring it back within thirty days."""
        with self.work.write() as session:
            row = self._row(session, key)
            if not away_ and row.deleted_at is not None and self.now() - row.deleted_at > RECOVERABLE:
                raise Conflict("id", "kitchen-culture-put-away-too-long")
            row.deleted_at = self.now() if away_ else None

    def gone(self) -> tuple[PutAwayCulture, ...]:
        """Cultures that can be brought back."""
        with self.work.read() as session:
            rows = Cultures(session).all()
        return tuple(
            PutAwayCulture(row.id, str(clean(row.body.get("name", "?"))), row.deleted_at + RECOVERABLE)
            for row in rows
            if row.deleted_at is not None and self.now() - row.deleted_at <= RECOVERABLE
        )

    def _row(self, session: Session, key: str) -> CultureRow:
        row = Cultures(session).get(key)
        if row is None:
            raise NotFound("id", "kitchen-culture-not-here")
        return row

    # -- what happens ----------------------------------------------------------------------------------------

    def log(self, key: str, event_key: str, event: Event, at: str | None) -> None:
        """Keep an event, at the kitchen's wall clock or now. A retry of the same key adds nothing."""
        clock = self.clock()
        when = self.now() if at is None else instant_of(at, clock.zone, "at")
        if when > self.now():
            raise CraftError("at", "kitchen-happened-in-future")
        self.add(key, {event_key: (when, event)})

    def is_away(self, key: str) -> bool:
        """Whether a culture was put away, or never was."""
        with self.work.read() as session:
            row = Cultures(session).get(key)
            return row is None or row.deleted_at is not None

    def add(self, key: str, noted: dict[str, tuple[datetime, Event]]) -> None:
        """Keep several events, all or none of them."""
        with self.work.write() as session:
            self._add(session, self._row(session, key), noted)

    def _add(self, session: Session, row: CultureRow, noted: dict[str, tuple[datetime, Event]]) -> None:
        known = self._known(session, row, self.clock(), last=None)
        taken = {(known.clock.at(each.at_h), each.kind) for each in known.events}
        there = Events(session).keys(tuple(noted))
        for event_key, (at, event) in noted.items():
            if event_key in there:
                continue
            kept = checked(event, known.culture.jar)
            when = at.replace(microsecond=0)
            if (when, kept.kind) in taken:
                raise Conflict("at", "kitchen-event-of-that-moment")
            taken.add((when, kept.kind))
            body = body_of(kept)
            session.add(EventRow(id=event_key, kind=kept.kind, subject=row.id, at=when, body=body))

    def withdraw(self, key: str, event_key: str, withdrawn: bool = True) -> None:
        """Take an event back, or bring it in again; it stays on record either way."""
        with self.work.write() as session:
            row = self._row(session, key)
            event = Events(session).get(event_key)
            if event is None or event.subject != key:
                raise NotFound("id", "kitchen-event-not-here")
            known = self._known(session, row, self.clock())
            away_ = {each.id: at for at, each in known.withdrawn}
            if (event_key in away_) == withdrawn:
                return
            if not withdrawn and self.now() - away_[event_key] > RECOVERABLE:
                raise Conflict("id", "kitchen-event-taken-back-too-long")
            count = sum(1 for _ in Events(session).plain(WITHDRAWN, REINSTATED, subject=key))
            kind = WITHDRAWN if withdrawn else REINSTATED
            mark = EventRow(
                id=f"{event_key[:40]}-{count}", kind=kind, subject=key, at=self.now(), body={"event": event_key}
            )
            Events(session).add(mark)

    def _known(self, session: Session, row: CultureRow, clock: Clock, last: int | None = LATELY) -> _Known:
        """A culture with its ``last`` events, or all of them: what lies further back tells nothing of today."""
        return _as_known(row, pasts(session, [row.id], last)[row.id], clock)

    def _all_known(self, session: Session, clock: Clock) -> list[_Known]:
        """Cultures that are not put away and can be read."""
        rows = [row for row in Cultures(session).all() if row.deleted_at is None]
        return list(self._those_known(session, rows, clock))

    def _those_known(self, session: Session, rows: Sequence[CultureRow], clock: Clock) -> Iterator[_Known]:
        found = pasts(session, [row.id for row in rows])
        for row in rows:
            try:
                yield _as_known(row, found[row.id], clock)
            except Unreadable:
                LOG.warning("culture %s cannot be read", row.id)

    def known(self, key: str) -> tuple[Culture, tuple[Event, ...], Clock]:
        """A culture, all its events in order, and the clock that their hours are counted on."""
        with self.work.read() as session:
            found = self._known(session, self._row(session, key), self.clock(), last=None)
        return found.culture, found.events, found.clock

    # -- looking ---------------------------------------------------------------------------------------------

    def all(self) -> tuple[CultureLine, ...]:
        """Cultures that are not put away, as they live now."""
        clock = self.clock()
        with self.work.read() as session:
            known = self._all_known(session, clock)
        return tuple(self._line(each) for each in known)

    def usable(self) -> tuple[CultureLine, ...]:
        """Those of which a levain can be built now: fed at least once, and no longer being raised."""
        return tuple(each for each in self.all() if each.life is not None and each.guide is None)

    def _line(self, known: _Known) -> CultureLine:
        life, found, beginning = self._living(known)
        feeds = self._feeds(known, beginning)
        shown = None if life is None else view.life_view(known.culture, life, known.clock)
        due = feeds[0] if feeds else None
        return CultureLine(
            known.row.id,
            known.culture,
            shown,
            found,
            beginning,
            due,
            due is not None and due < self.now(),
        )

    def _living(self, known: _Known) -> tuple[Life | None, Health | None, Guide | None]:
        courses = known.courses
        beginning = guide(known.culture, courses, known.clock)
        life = live(known.culture, known.events, known.clock)
        if life is None:
            return None, None, beginning
        found = health(life, courses[-1].looks, lives=known.culture.place)
        return life, found if beginning is None or found.code == "contaminated" else None, beginning

    def _feeds(self, known: _Known, beginning: Guide | None) -> tuple[datetime, ...]:
        """Feeds due: by the guide of a new culture, else by its schedule."""
        if beginning is not None:
            return (known.clock.at(beginning.next_h),)
        if known.culture.schedule is None:
            return ()
        fed = [event for event in known.events if event.feeds]
        last = known.clock.at(fed[-1].at_h) if fed else None
        now = self.now()
        return next_feeds(known.culture.schedule, last, now, known.clock.zone, now + AHEAD)

    def due(self, all_ahead: bool = False) -> tuple[DueFeed, ...]:
        """The next feed of every culture that has one; with ``all_ahead``, those after it too."""
        clock = self.clock()
        with self.work.read() as session:
            known = self._all_known(session, clock)
        found = []
        for each in known:
            beginning = guide(each.culture, each.courses, clock) if each.may_begin else None
            feeds = self._feeds(each, beginning)
            if feeds:
                ahead = feeds if all_ahead else feeds[:1]
                then = each.culture.schedule.then if each.culture.schedule else "counter"
                found.append(DueFeed(each.row.id, each.culture.name, feeds[0], ahead, then))
        return tuple(found)

    def open(self, key: str, shown: int = SHOWN_EVENTS) -> CultureView:
        """One culture with its life, verdict, feeds to come, and the newest of its events."""
        with self.work.read() as session:
            row = self._row(session, key)
            known = self._known(session, row, self.clock(), LATEST)
            in_all = Events(session).count(*KINDS, subject=key) - len(known.withdrawn)
            pictures, gone = pictures_of(session, key, self.now())
        life, found, beginning = self._living(known)
        clock = known.clock
        return CultureView(
            id=key,
            culture=known.culture,
            put_away=row.deleted_at is not None,
            pictures=pictures,
            pictures_gone=gone,
            life=None if life is None else view.life_view(known.culture, life, clock),
            health=found,
            guide=beginning,
            guide_next=None if beginning is None else clock.at(beginning.next_h),
            doublings=in_a_row(risen(known.culture, known.courses[-REMEMBERED:])),
            raises=LearningBook(self.work).of_culture(key, known.culture.name),
            next_feeds=self._feeds(known, beginning),
            discard=discard(known.culture, known.events),
            events=tuple(view.at_instant(event, clock) for event in reversed(known.events[-shown:])),
            events_in_all=in_all,
            withdrawn=tuple(
                Withdrawn(at + RECOVERABLE, view.at_instant(event, clock))
                for at, event in known.withdrawn
                if self.now() - at <= RECOVERABLE
            ),
        )

    # -- asking ----------------------------------------------------------------------------------------------

    def _life(self, key: str) -> tuple[_Known, Life]:
        with self.work.read() as session:
            known = self._known(session, self._row(session, key), self.clock())
        life = live(known.culture, known.events, known.clock)
        if life is None:
            raise CraftError("culture", "kitchen-culture-never-fed")
        if guide(known.culture, known.courses, known.clock) is not None:
            raise Infeasible("culture", "kitchen-culture-too-young", name=known.culture.name)
        return known, life

    def feed(self, key: str, needed_g: float, kept_g: float, at: str, warm_c: float | None) -> FeedAnswerShown:
        """Ways to so much ripe levain at a time of the kitchen's wall clock."""
        known, _ = self._life(key)
        at_h = known.clock.hours(instant_of(at, known.clock.zone, "at"))
        if at_h < 0:
            raise CraftError("at", "kitchen-wanted-past")
        wish = FeedWish(needed_g, kept_g, at_h, warm_c)
        answer = feed_ahead(known.culture, known.events, wish, known.clock, self._standing(known))
        return view.answer_shown(answer, known.culture, known.clock, at_h, (caution("jar"), caution("mould")))

    def _standing(self, known: _Known) -> Standing:
        """The standing feeds of a culture from now on, on its clock."""
        schedule = known.culture.schedule
        if schedule is None:
            return Standing()
        hours = tuple(known.clock.hours(at) for at in self._feeds(known, None) if at > self.now())
        return Standing(hours, schedule.then == "fridge")

    def plain_feed(self, key: str) -> PlainFeed:
        """What the culture would do with a plain feed, to compare it with another."""
        known, life = self._life(key)
        return plain_feed(known.culture, life, known.clock)

    def away(self, key: str, leave: str, back: str) -> AwayShown:
        """Care before and after an absence."""
        known, _ = self._life(key)
        zone = known.clock.zone
        from_h = known.clock.hours(instant_of(leave, zone, "leave"))
        to_h = known.clock.hours(instant_of(back, zone, "back"))
        return view.away_shown(away(known.culture, known.events, from_h, to_h, known.clock), known.clock)

    def starter(self, key: str) -> Starter:
        """A culture as a plan needs it. CraftError if nothing can be built from it."""
        known, life = self._life(key)
        if known.row.deleted_at is not None:
            raise CraftError("culture_id", "kitchen-culture-put-away", name=known.culture.name)
        if spoilt(known.courses[-1].looks):
            raise CraftError("culture_id", "kitchen-culture-spoilt", name=known.culture.name)
        return _starter(known, life)

    def best_starter(self, flour_kind: str) -> Starter | None:
        """The culture that a levain of that flour is best built from; None if there is none that could be."""
        clock = self.clock()
        with self.work.read() as session:
            rows = [row for row in Cultures(session).all() if row.deleted_at is None]
            rows.sort(key=lambda row: row.body.get("flour_kind") != flour_kind)
            known = next((each for each in self._those_known(session, rows, clock) if _can_raise(each)), None)
        life = None if known is None else live(known.culture, known.events, clock)
        return None if known is None or life is None else _starter(known, life)

    # -- files -----------------------------------------------------------------------------------------------

    def history(self, key: str) -> tuple[Culture, tuple[tuple[datetime, Event], ...]]:
        """The culture and all its events with their instants, the oldest first."""
        culture, events, clock = self.known(key)
        return culture, tuple((clock.at(event.at_h), event) for event in events)

    def bring_in(self, key: str, culture: Culture, history: tuple[tuple[datetime, Event], ...]) -> None:
        """A culture from a file, under this key: all of it or nothing. The same file again adds nothing."""
        late = next((at for at, _ in history if at > self.now()), None)
        if late is not None:
            raise CraftError("text", "kitchen-file-event-in-future", late=f"{late:%d %B %Y}")
        noted = {str(uuid5(NAMESPACE_URL, f"{key}/{at}/{event.id}")): (at, event) for at, event in history}
        with self.work.write() as session:
            row = self._save(session, key, culture)
            session.flush()
            self._add(session, row, noted)
