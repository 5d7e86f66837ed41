"""A culture as it is shown: the core's hours as instants by the kitchen's clock."""

from dataclasses import replace

from gentle_crust.contract.cultures import (
    AwayShown,
    CareShown,
    CulturePoint,
    FeedAnswerShown,
    FeedShown,
    LifeView,
    Logged,
    WayShown,
)
from gentle_crust.core.cautions import Caution
from gentle_crust.core.clock import Clock
from gentle_crust.core.culture.away import Away
from gentle_crust.core.culture.culture import Culture
from gentle_crust.core.culture.events import Event
from gentle_crust.core.culture.feeding import FeedAnswer, FeedWay
from gentle_crust.core.culture.jar import level_mm
from gentle_crust.core.culture.life import Life
from gentle_crust.core.fermentation.readings import said_of
from gentle_crust.core.fermentation.uncertainty import activities, span
from gentle_crust.core.leaven.hunger import HUNGRY_H
from gentle_crust.core.messages import NOTHING, message, named
from gentle_crust.core.plan.shown import Night, dated


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
        vigour_words=said_of(life.vigour, named(culture.name)),
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
    sentence = NOTHING
    if way.over_ml > 0:
        high = level_mm(culture.jar, way.feeds[-1].build.g, way.peak_rise)
        sentence = message("culture-jar-too-small", high=round(high), over=round(way.over_ml))
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
        tuple(clock.at(at) for at in answer.usual_h),
        answer.assumed,
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
