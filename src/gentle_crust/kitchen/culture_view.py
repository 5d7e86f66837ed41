"""A culture as it is shown: the core's hours as instants by the kitchen's clock."""

from dataclasses import dataclass, replace
from datetime import datetime

from gentle_crust.core.cautions import Caution
from gentle_crust.core.culture.away import Away
from gentle_crust.core.culture.beginning import Guide
from gentle_crust.core.culture.culture import Culture
from gentle_crust.core.culture.discard import Discard
from gentle_crust.core.culture.events import Event, Place
from gentle_crust.core.culture.feeding import FeedAnswer, FeedWay, PlannedFeed
from gentle_crust.core.culture.hunger import HUNGRY_H
from gentle_crust.core.culture.jar import level_mm
from gentle_crust.core.culture.life import Life, Phases
from gentle_crust.core.culture.verdict import Health
from gentle_crust.core.fermentation.readings import in_words
from gentle_crust.core.fermentation.uncertainty import Span, Vigour, activities, span
from gentle_crust.core.scheduling.clock import Clock
from gentle_crust.core.scheduling.result import Night, TimeSpan, dated


@dataclass(frozen=True)
class Logged:
    """One event and its instant."""

    at: datetime
    event: Event


@dataclass(frozen=True)
class Withdrawn:
    """An event that was taken back, and until when it can be brought in again."""

    until: datetime
    logged: Logged


@dataclass(frozen=True)
class CulturePoint:
    """The culture at one instant: height over its start mark (fraction), its band, its temperature, its hunger."""

    at: datetime
    rise: float
    low: float
    high: float
    culture_c: float
    hunger: float
    """0 is sated, 1 is hungry, more is starving."""


@dataclass(frozen=True)
class LifeView:
    """A culture's life by the clock. ``level_mm`` and ``peak_mm`` are heights on the glass, now and at its peak."""

    grams: float
    place: Place
    fed_at: datetime
    fed: Event
    start_mm: float
    level_mm: float
    peak_mm: float
    rise: float
    peak_rise: float
    culture_c: float
    hunger: float
    ripe: TimeSpan
    peak: TimeSpan
    spent: TimeSpan
    phases: Phases
    vigour: Vigour
    vigour_span: Span
    """Low, likely and high of its speed; 1 is usual."""
    vigour_words: str
    readings: int
    strength: float
    wake_feeds: int
    points: tuple[CulturePoint, ...]
    nights: tuple[Night, ...]


@dataclass(frozen=True)
class CultureView:
    """One culture with all that is known of it."""

    id: str
    culture: Culture
    put_away: bool
    has_photo: bool
    has_former_photo: bool
    """Whether a picture was replaced or taken away, and can be had back."""
    life: LifeView | None
    health: Health | None
    guide: Guide | None
    guide_next: datetime | None
    doublings: int
    next_feeds: tuple[datetime, ...]
    discard: Discard
    events: tuple[Logged, ...]
    """The newest first."""
    events_in_all: int
    withdrawn: tuple[Withdrawn, ...]


@dataclass(frozen=True)
class CultureLine:
    """One culture in the list."""

    id: str
    culture: Culture
    has_photo: bool
    life: LifeView | None
    health: Health | None
    guide: Guide | None
    next_feed: datetime | None
    overdue: bool


@dataclass(frozen=True)
class FeedShown:
    """One feed of a way: when, what, and where it then stands."""

    at: datetime
    feed: PlannedFeed


@dataclass(frozen=True)
class WayShown:
    """One way by the clock, with the sentence that the jar asks for, if it is too small."""

    feeds: tuple[FeedShown, ...]
    ripe: TimeSpan
    spent: TimeSpan
    way: FeedWay
    jar_sentence: str
    asleep: bool


@dataclass(frozen=True)
class FeedAnswerShown:
    """The answer to a wish for levain, by the clock, with the nights it is drawn over."""

    wanted: datetime
    ways: tuple[WayShown, ...]
    why_not: str
    night_way: WayShown | None
    as_it_is: bool
    soonest: datetime | None
    nights: tuple[Night, ...]
    cautions: tuple[Caution, ...]


@dataclass(frozen=True)
class CareShown:
    """One step of care."""

    kind: str
    at: datetime
    title: str
    detail: str
    cautions: tuple[Caution, ...]


@dataclass(frozen=True)
class AwayShown:
    """Before and after an absence."""

    days: float
    steps: tuple[CareShown, ...]
    hunger: float
    feeds: int
    ready: datetime


def nights_between(clock: Clock, start: float, end: float) -> tuple[Night, ...]:
    """The baker's nights that touch start..end (hours from the clock's origin)."""
    if clock.nights.length_h == 0:
        return ()
    found = []
    at = start - 24
    local = float(clock.local_hour_at(at))
    bed = at + (clock.nights.start_h - local) % 24
    while bed < end:
        if bed + clock.nights.length_h > start:
            found.append(Night(clock.at(bed), clock.at(bed + clock.nights.length_h)))
        bed += 24
    return tuple(found)


def life_view(culture: Culture, life: Life, clock: Clock, now_h: float = 0.0) -> LifeView:
    """A life by the clock."""
    here = min(life.points, key=lambda point: abs(point.at_h - now_h))
    height = life.start_mm
    return LifeView(
        grams=life.grams,
        place=life.place,
        fed_at=clock.at(life.fed.at_h),
        fed=life.fed,
        start_mm=height,
        level_mm=height * (1 + here.rise),
        peak_mm=height * (1 + life.peak_rise),
        rise=here.rise,
        peak_rise=life.peak_rise,
        culture_c=here.culture_c,
        hunger=life.hunger_h / HUNGRY_H,
        ripe=dated(life.ripe, clock),
        peak=dated(life.peak, clock),
        spent=dated(life.spent, clock),
        phases=life.phases,
        vigour=life.vigour,
        vigour_span=span(activities(life.vigour)),
        vigour_words=in_words(life.vigour).replace("Your dough", culture.name),
        readings=life.readings,
        strength=life.seed.strength,
        wake_feeds=life.wake_feeds,
        points=tuple(
            CulturePoint(clock.at(each.at_h), each.rise, each.low, each.high, each.culture_c, each.hunger_h / HUNGRY_H)
            for each in life.points
        ),
        nights=nights_between(clock, life.points[0].at_h, life.points[-1].at_h),
    )


def _way_shown(way: FeedWay, culture: Culture, clock: Clock) -> WayShown:
    sentence = ""
    if way.over_ml > 0:
        high = level_mm(culture.jar, way.feeds[-1].build.g, way.peak_rise)
        sentence = (
            f"Your jar is too small: it would rise to {high:.0f} mm and be over by about {way.over_ml:.0f} ml."
            " Build it in a bigger one, or in two."
        )
    asleep = any(clock.asleep_min(feed.at_h, feed.at_h + 1 / 12) >= 0.5 for feed in way.feeds)
    feeds = tuple(FeedShown(clock.at(feed.at_h), feed) for feed in way.feeds)
    return WayShown(feeds, dated(way.ripe, clock), dated(way.spent, clock), way, sentence, asleep)


def answer_shown(
    answer: FeedAnswer, culture: Culture, clock: Clock, at_h: float, cautions: tuple[Caution, ...]
) -> FeedAnswerShown:
    """The answer by the clock."""
    ways = tuple(_way_shown(way, culture, clock) for way in answer.ways)
    night = _way_shown(answer.night_way, culture, clock) if answer.night_way else None
    return FeedAnswerShown(
        clock.at(at_h),
        ways,
        answer.why_not,
        night,
        answer.as_it_is,
        None if answer.soonest_h is None else clock.at(answer.soonest_h),
        nights_between(clock, 0.0, at_h + 6),
        cautions,
    )


def away_shown(found: Away, clock: Clock) -> AwayShown:
    """Before and after an absence, by the clock."""
    steps = tuple(
        CareShown(step.kind, clock.at(step.at_h), step.title, step.detail, step.cautions) for step in found.steps
    )
    return AwayShown(found.days, steps, found.hunger_h / HUNGRY_H, found.feeds, clock.at(found.ready_h))


def at_instant(event: Event, clock: Clock) -> Logged:
    """An event with its instant; its hours are of no use to whoever reads it."""
    return Logged(clock.at(event.at_h), replace(event, at_h=0.0))
