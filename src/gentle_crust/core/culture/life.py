"""A culture's life: carried forward from feed to feed, corrected by what was read on the glass, and foretold.

Times are hours from the clock's origin; the past is negative when the clock starts now.
"""

from dataclasses import dataclass, replace
from functools import lru_cache, reduce
from itertools import pairwise
from typing import Protocol

import numpy as np
import numpy.typing as npt

from gentle_crust.core.clock import Clock
from gentle_crust.core.culture.culture import Culture, jar_makeup_of
from gentle_crust.core.culture.events import Event, Place, grams_at_end, in_order, place_at_end
from gentle_crust.core.culture.jar import level_mm
from gentle_crust.core.culture.seen import Phases, as_seen, fallen_h, held_against
from gentle_crust.core.fermentation.dough import Makeup
from gentle_crust.core.fermentation.engine import Leg, State, Trace, begin, end_to_end, run
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.readings import Reading, grid, update
from gentle_crust.core.fermentation.uncertainty import ONE, Span, Vigour, activities, band, span, unknown
from gentle_crust.core.leaven.build import RIPE_YEAST, SEED_YEAST, jar_capacity, ripe_hours, spent_hours
from gentle_crust.core.leaven.hunger import DRIED, HUNGRY_H, feeds_to_wake, pace_of, recovered, weakened
from gentle_crust.core.tables import constant

REMEMBERED = 8
"""Feeds that are looked back upon: older ones tell nothing that these do not."""
DRIFT_SIGMA = 0.06
"""How much a culture's vigour may wander from one feed to the next, in its logarithm (practice)."""
MIX_C = 24.0
"""A feed is mixed to this, if nothing else was read (practice)."""
AHEAD_H = {"counter": 30.0, "fridge": 12 * 24.0}
"""How far a culture is foretold, from its last feed on at least, by where it stands; longer in a cool room."""
FRESH_H = 3.0
"""What was seen longer ago tells of another hour (practice)."""
SLOWEST = 0.35
MOST_STEPS = 500
"""Of one stay: weeks in one place need no hour by hour."""
LOOK_BACK_H = 36.0
POINTS = 160


@dataclass(frozen=True)
class Seed:
    """What a feed starts from: yeast and bacteria per flour (ripe is 1), and the culture's strength (full is 1)."""

    yeast: float = 1.0
    bacteria: float = 1.0
    strength: float = 1.0


class Stays(Protocol):
    """Where a jar of some grams stands: (from, place) in order."""

    @property
    def stays(self) -> tuple[tuple[float, Place], ...]: ...

    @property
    def grams(self) -> float: ...


@dataclass(frozen=True)
class Course:
    """One feed and what became of it until the next: ``stays`` are (from, place) in order."""

    fed: Event
    until_h: float
    stays: tuple[tuple[float, Place], ...]
    looks: tuple[Event, ...]
    grams: float

    @property
    def start_c(self) -> float:
        """Temperature of the mix."""
        return MIX_C if self.fed.culture_c is None else self.fed.culture_c


@dataclass(frozen=True)
class LifePoint:
    """The culture at one time: rise over the start mark with its band, temperature, and hunger (hours at 24 C)."""

    at_h: float
    rise: float
    low: float
    high: float
    culture_c: float
    hunger_h: float


@dataclass(frozen=True)
class Life:
    """A culture as it is now, and as it will be if it is left where it stands."""

    grams: float
    place: Place
    fed: Event
    start_mm: float
    """The start mark."""
    ripe: Span
    peak: Span
    spent: Span
    peak_rise: float
    phases: Phases
    vigour: Vigour
    readings: int
    """Readings of height that the vigour rests on."""
    seed: Seed
    hunger_h: float
    wake_feeds: int
    points: tuple[LifePoint, ...]
    jar: Makeup
    forecast: "Forecast"
    fell_at_h: float | None = None
    """When it was first read to stand lower than it had."""


@dataclass(frozen=True)
class Forecast:
    """The likely course of the last feed: hours from the clock's origin, yeast, bacteria and hunger at each."""

    hours: Floats
    yeast: Floats
    bacteria: Floats
    hunger_h: Floats
    strength: float

    def seed_at(self, at_h: float) -> Seed:
        """What the culture would bring into a feed at ``at_h``."""
        yeast, bacteria = (float(np.interp(at_h, self.hours, values)) for values in (self.yeast, self.bacteria))
        return Seed(yeast, bacteria, weakened(self.strength, self.hunger_at(at_h)))

    @property
    def seed_from(self) -> float | None:
        """When it is a good seed for a levain, a little before it is ripe; None if not within the forecast."""
        return _first(self.hours, self.yeast >= SEED_YEAST)

    @property
    def hungry_from(self) -> float | None:
        """When it wants a feed before anything is built from it; None if not within the forecast."""
        return _first(self.hours, self.hunger_h > HUNGRY_H)

    def hunger_at(self, at_h: float) -> float:
        """Hours of hunger at 24 C by ``at_h``; beyond what was carried it grows as in the last day of it."""
        beyond = max(at_h - float(self.hours[-1]), 0.0)
        day_before = float(np.interp(self.hours[-1] - 24, self.hours, self.hunger_h))
        return float(np.interp(at_h, self.hours, self.hunger_h)) + beyond * (float(self.hunger_h[-1]) - day_before) / 24


def _first(hours: Floats, holds: npt.NDArray[np.bool_]) -> float | None:
    return float(hours[holds.argmax()]) if holds.any() else None


def room_hours(clock: Clock, start: float, hours: float) -> float:
    """``hours`` of a kitchen at 24 C as they last in this one from ``start`` on: more in a cool one."""
    pace = float(pace_of(clock.room_c(start + np.arange(0.0, 24.0, 2.0))).mean())
    return hours / min(max(pace, SLOWEST), 1.0)


def courses_of(events: tuple[Event, ...], until_h: float) -> tuple[Course, ...]:
    """Events in order, one course a feed; what comes before the first feed is left out."""
    fed = [index for index, event in enumerate(events) if event.feeds]
    found = []
    for first, last in pairwise([*fed, len(events)]):
        mine = events[first:last]
        begin_h = mine[0].at_h
        stays: list[tuple[float, Place]] = [(begin_h, mine[0].place or "counter")]
        stays += [(each.at_h, each.place) for each in mine if each.kind == "moved" and each.place]
        end = events[last].at_h if last < len(events) else max(until_h, begin_h)
        looks = tuple(each for each in mine if each.kind == "seen")
        found.append(Course(mine[0], end, tuple(stays), looks, max(grams_at_end(mine), 1.0)))
    return tuple(found)


def start_of(jar: Makeup, course: Course, seed: Seed, hydration: float, factors: int) -> State:
    """The jar just after the feed; ``hydration`` of the seed (fraction)."""
    fed = course.fed
    flour = fed.seed_g / (1 + hydration)
    share = flour / (flour + fed.flour_g)
    state = begin(jar, course.start_c, factors)
    ones = np.ones(factors)
    yeast, bacteria = max(share * seed.yeast, 1e-6), max(share * seed.bacteria, 1e-6)
    return replace(state, yeast=ones * yeast, bacteria=ones * bacteria, made_ml=state.made_ml + spent_ml(share))


def spent_ml(share: float) -> float:
    """Gas per 100 g of flour that the seed's flour made before: fed less than its own weight, it finds less (practice).

    ``share`` (fraction) of the flour is the seed's. Gas was fitted to feeds of equal parts and more: none up to them.
    """
    return 2 * max(share - 0.5, 0.0) * constant("fermentation", "substrate", "half_ml")


def carry(
    jar: Makeup, state: State, course: "Stays", to_h: float, clock: Clock, activity: Floats, warmer_k: float = 0.0
) -> Trace:
    """Carry a just-fed jar through its stays until ``to_h``; rooms are ``warmer_k`` warmer than the kitchen's."""
    edges = [*(start for start, _ in course.stays if start < to_h), to_h]
    traces = []
    for (start, end), (_, place) in zip(pairwise(edges), course.stays, strict=False):
        hours = end - start
        if hours < 1e-4:
            continue
        steps = max(int(np.ceil(hours / 0.25)), 2) if hours <= 24 else min(max(int(np.ceil(hours)), 96), MOST_STEPS)
        middles = start + (np.arange(steps) + 0.5) * hours / steps
        ambient = clock.room_c(middles) if place == "counter" else np.full(steps, clock.room.fridge_c)
        grams, holds = max(course.grams, 20.0), jar_capacity(jar)
        leg = Leg(hours, ambient + warmer_k, "covered_bowl", grams, holds, fridge=place == "fridge")
        traces.append(run(jar, state, leg, activity))
        state = traces[-1].end()
    return reduce(end_to_end, traces)


def hunger_of(trace: Trace, ripe_h: float) -> Floats:
    """Hours of hunger at 24 C along a trace that is ripe ``ripe_h`` into it."""
    pace = pace_of(trace.dough_c)
    eaten = np.concatenate([[0.0], np.cumsum((pace[1:] + pace[:-1]) / 2 * np.diff(trace.hours))])
    start = np.inf if np.isnan(ripe_h) else float(np.interp(ripe_h, trace.hours, eaten))
    hunger: Floats = np.maximum(eaten - start, 0.0)
    return hunger


@dataclass(frozen=True)
class _Carried:
    """What one course after another left: seed, vigour, and how many readings it rests on."""

    seed: Seed
    vigour: Vigour
    readings: int


def _warmer_k(jar: Makeup, state: State, course: Course, clock: Clock) -> float:
    """How much warmer than the kitchen's figures the jar stands, by the last temperature that was read."""
    read = [look for look in course.looks if look.culture_c is not None]
    if not read:
        return 0.0
    look = read[-1]
    if look.at_h - course.fed.at_h < 0.5:
        return 0.0
    trace = carry(jar, state, course, look.at_h, clock, ONE)
    off = float(look.culture_c or 0) - float(trace.dough_c[-1])
    return min(max(off, -8.0), 8.0)


def heights_of(culture: Culture, course: Course) -> tuple[Reading, ...]:
    """Readings of height as rises over the start mark."""
    mark = start_mark(culture, course)
    return tuple(
        Reading(look.at_h - course.fed.at_h, "rise_jar", max(look.height_mm / mark - 1, 0.0))
        for look in course.looks
        if look.height_mm is not None and look.at_h > course.fed.at_h
    )


def start_mark(culture: Culture, course: Course) -> float:
    """Height of the culture just after its feed, mm: as it was read, or from its weight and the jar's width."""
    return course.fed.height_mm or level_mm(culture.jar, course.fed.fed_g)


def _after(culture: Culture, course: Course, before: _Carried, clock: Clock, hydration: float) -> _Carried:
    """What a past course leaves to the next."""
    jar = jar_makeup_of(culture, 100 * hydration, course.fed)
    state = start_of(jar, course, before.seed, culture.hydration_percent / 100, 1)
    warmer = _warmer_k(jar, state, course, clock)
    vigour, read = _believed(culture, course, before.seed, _drifted(before.vigour), clock, hydration, warmer)
    ends = max(course.until_h, course.fed.at_h + 0.5)
    trace = carry(jar, state, course, ends, clock, np.array([vigour.likely * before.seed.strength]), warmer)
    ripe = float(ripe_hours(trace)[0]) if trace.yeast[-1, 0] >= RIPE_YEAST else float("nan")
    eaten = min(float(trace.yeast[-1, 0]), 1.0)
    strength = weakened(recovered(before.seed.strength, eaten), float(hunger_of(trace, ripe)[-1]))
    seed = Seed(float(trace.yeast[-1, 0]), float(trace.bacteria[-1, 0]), strength)
    return _Carried(seed, vigour, before.readings + read)


def _drifted(vigour: Vigour) -> Vigour:
    """What is believed at the next feed: as likely, a little less sure."""
    return replace(vigour, sigma=float(np.hypot(vigour.sigma, DRIFT_SIGMA)))


def _believed(
    culture: Culture, course: Course, seed: Seed, prior: Vigour, clock: Clock, hydration: float, warmer_k: float
) -> tuple[Vigour, int]:
    """The vigour after the heights that were read of one feed, and how many there were."""
    readings = heights_of(culture, course)
    if not readings:
        return prior, 0
    jar = jar_makeup_of(culture, 100 * hydration, course.fed)
    factors = grid(prior) * seed.strength
    state = start_of(jar, course, seed, culture.hydration_percent / 100, len(factors))
    last = max(reading.at_h for reading in readings)
    trace = carry(jar, state, course, course.fed.at_h + last + 0.1, clock, factors, warmer_k)

    def rise_at(hours: float) -> Floats:
        return np.array([np.interp(hours, trace.hours, column) for column in trace.rise.T])

    return update(readings, rise_at, prior), len(readings)


def hydration_after(culture: Culture, fed: Event) -> float:
    """Water over flour in the jar after a feed, the seed at the culture's usual water."""
    usual = culture.hydration_percent / 100
    seed_flour = fed.seed_g / (1 + usual)
    return (fed.water_g + fed.seed_g - seed_flour) / (fed.flour_g + seed_flour)


def live(culture: Culture, events: tuple[Event, ...], clock: Clock, now_h: float = 0.0) -> Life | None:
    """The culture's life up to ``now_h`` and ahead; None before its first feed."""
    past = in_order(tuple(event for event in events if event.at_h <= now_h))
    fed = [index for index, event in enumerate(past) if event.feeds]
    return _lived(culture, past[fed[-REMEMBERED:][0] :], clock, now_h) if fed else None


def life_of(culture: Culture, events: tuple[Event, ...], clock: Clock, now_h: float) -> Life:
    """The life of a culture that was fed. AssertionError if it was not: it is for its caller to know."""
    life = live(culture, events, clock, now_h)
    if life is None:
        raise AssertionError("a fed culture has a life")
    return life


@lru_cache(maxsize=64)
def _lived(culture: Culture, past: tuple[Event, ...], clock: Clock, now_h: float) -> Life:
    courses = courses_of(past, now_h)
    carried = _Carried(Seed(), unknown(), 0)
    for course in courses[:-1]:
        carried = _after(culture, course, _soaked(course, carried), clock, hydration_after(culture, course.fed))
    return _foretold(culture, courses[-1], _soaked(courses[-1], carried), clock, now_h, place_at_end(past))


def _soaked(course: Course, carried: _Carried) -> _Carried:
    """Dried flakes bring their own weakness, whatever lived in the jar before."""
    return replace(carried, seed=Seed(strength=DRIED)) if course.fed.kind == "woken" else carried


def _foretold(culture: Culture, course: Course, before: _Carried, clock: Clock, now_h: float, place: Place) -> Life:
    """The last course, its readings believed, and carried on where the jar stands."""
    hydration = hydration_after(culture, course.fed)
    jar = jar_makeup_of(culture, 100 * hydration, course.fed)
    one = start_of(jar, course, before.seed, culture.hydration_percent / 100, 1)
    warmer = _warmer_k(jar, one, course, clock)
    vigour, read = _believed(culture, course, before.seed, _drifted(before.vigour), clock, hydration, warmer)
    start, strength = course.fed.at_h, before.seed.strength
    ahead = AHEAD_H[place] if place == "fridge" else room_hours(clock, start, AHEAD_H[place])
    ends = max(now_h + AHEAD_H[place] / 2, start + ahead)
    factors = activities(vigour) * strength
    state = start_of(jar, course, before.seed, culture.hydration_percent / 100, len(factors))
    trace = carry(jar, state, course, ends, clock, factors, warmer)
    ripe, spent = ripe_hours(trace), spent_hours(trace)
    middle = len(factors) // 2
    hunger = hunger_of(trace, float(ripe[middle]))
    recovering = recovered(strength)
    read_here = heights_of(culture, course)
    risen = as_seen(trace, read_here)
    fell = fallen_h(read_here)
    if fell is not None:
        spent = np.fmin(spent, fell)
    phases = phases_at(now_h - start, ripe, spent, trace)
    if read_here and now_h - start - read_here[-1].at_h <= FRESH_H:
        phases = held_against(phases, risen, read_here, read_here[-1].value)
    forecast = Forecast(start + trace.hours, trace.yeast[:, middle], trace.bacteria[:, middle], hunger, recovering)
    return Life(
        grams=course.grams,
        place=place,
        fed=course.fed,
        start_mm=start_mark(culture, course),
        ripe=span(start + ripe),
        peak=span(start + trace.hours[risen.argmax(axis=0)]),
        spent=span(start + spent),
        peak_rise=float(risen[:, middle].max()),
        phases=phases,
        vigour=vigour,
        readings=before.readings + read,
        seed=forecast.seed_at(now_h),
        hunger_h=forecast.hunger_at(now_h),
        wake_feeds=_wake_feeds(forecast, now_h),
        points=_points(trace, read_here, start, now_h, hunger),
        jar=jar,
        fell_at_h=None if fell is None else start + fell,
        forecast=forecast,
    )


def _wake_feeds(forecast: Forecast, at_h: float) -> int:
    """Feeds that it needs at ``at_h`` before anything is built from it; a hungry one needs at least one."""
    needed = feeds_to_wake(forecast.seed_at(at_h).strength)
    return max(needed, 1) if forecast.hunger_at(at_h) > HUNGRY_H else needed


def phases_at(into_h: float, ripe: Floats, spent: Floats, trace: Trace) -> Phases:
    """How likely each phase is ``into_h`` hours after a feed: the share of equally likely activities that are in it.

    ``ripe`` and ``spent``: hours at which each column of ``trace`` is ripe and past it; nan where it never is.
    """
    pace = pace_of(trace.dough_c)
    eaten = np.concatenate([[0.0], np.cumsum((pace[1:] + pace[:-1]) / 2 * np.diff(trace.hours))])
    ripe_at = np.where(np.isnan(ripe), np.inf, ripe)
    since = np.interp(into_h, trace.hours, eaten) - np.interp(ripe_at, trace.hours, eaten)
    hungry = float(np.mean((into_h > ripe_at) & (since > HUNGRY_H)))
    rising = float(np.mean(into_h < ripe_at))
    past = float(np.mean((into_h >= np.where(np.isnan(spent), np.inf, spent)) & (since <= HUNGRY_H)))
    return Phases(rising, max(1 - rising - past - hungry, 0.0), past, hungry)


def _points(
    trace: Trace, readings: tuple[Reading, ...], start: float, now_h: float, hunger: Floats
) -> tuple[LifePoint, ...]:
    """Points enough to draw, from the feed on, or from a day and a half ago if that is later; through what was read."""
    since = max(0.0, now_h - LOOK_BACK_H - start)
    read = [each.at_h for each in readings if each.at_h >= since]
    spaced = np.linspace(since, trace.hours[-1], POINTS)
    places = np.unique(np.concatenate([spaced, [max(now_h - start, since)], read]))
    risen = as_seen(trace, readings, places)
    low, high = band(risen)
    warm, hungry = (np.interp(places, trace.hours, values) for values in (trace.dough_c, hunger))
    columns = (risen[:, risen.shape[1] // 2], low, high, warm, hungry)
    return tuple(
        LifePoint(float(start + place), *(float(each[i]) for each in columns)) for i, place in enumerate(places)
    )
