"""When to feed the culture, build the levain or mix the poolish, so that it is ripe when the dough needs it."""

from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta
from functools import lru_cache
from math import ceil

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.fermentation.dough import Makeup
from gentle_crust.core.fermentation.engine import State, Trace, begin, run
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.room import room_leg, step_h
from gentle_crust.core.fermentation.uncertainty import ONE, Span, span
from gentle_crust.core.formula.model import Formula, Preferment
from gentle_crust.core.leaven.build import (
    Build,
    build,
    fed,
    jar_capacity,
    jar_makeup,
    preferment_ripe_hours,
    ripe_hours,
    spent_hours,
)

LEVAIN_RATIOS = (2.0, 3.0, 1.0, 4.0, 5.0, 6.0, 8.0, 10.0)
CULTURE_RATIOS = (1.0, 2.0, 3.0, 5.0, 8.0)
"""Feeds that are tried, parts of flour to one of seed, the one bakers like best first."""
WAITS_H = (0.0, 0.75, 1.5)
"""A levain that is ripe may wait so long for its dough, if that spares a night and it is not past it by then."""
TRIED_EXACTLY = 3
"""So many of the feeds that seem best are looked at closely: a quarter of an hour may lie in the night."""
WAITS_PART = 0.15
"""Part of the time that it took to ripen for which it stays good (practice)."""
START_C = 25.0
"""Builds are mixed with water that brings them to this, if the room is not warmer (practice)."""
CULTURE_KEPT_G = 40.0
"""Culture that goes back to sleep after the levain was taken from it (practice)."""
HANDS_MIN = 5
EPOCH, QUARTER = datetime(2000, 1, 1, tzinfo=UTC), timedelta(minutes=15)
HORIZONS_H = (16.0, 48.0, 144.0)
"""How far ahead a feed is followed until it is ripe: further the colder the kitchen is, six days at most."""
UNRIPE_H = 12.0
"""Begun so long before it is wanted where no feed ever ripens: the plan is drawn, and says so."""


@dataclass(frozen=True)
class Ripening:
    """One feed, levain or preferment: when it starts, when it is wanted, and when it will be ripe.

    Times are hours from the clock's origin. ``trace`` runs past ``wanted``, one column an activity.
    """

    kind: str
    preferment: Preferment
    build: Build
    start: float
    wanted: float
    ripe: Span
    spent: Span
    trace: Trace
    kept_g: float = 0.0
    """What of it goes back into the jar."""
    culture: str = ""
    """The culture's name, if it is one of the baker's own."""


def _trace(
    jar: Makeup, state: State, clock: Clock, start: float, hours: float, mass_g: float, activity: Floats
) -> Trace:
    leg = room_leg(clock, start, hours, "covered_bowl", mass_g, jar_capacity(jar), step_h(activity))
    return run(jar, state, leg, activity)


@dataclass(frozen=True)
class _Place:
    """A jar of ``mass_g`` that begins at the origin of a clock: what one question finds of it serves the others."""

    jar: Makeup
    clock: Clock
    mass_g: float


def _place(jar: Makeup, clock: Clock, start: float, mass_g: float) -> _Place:
    """Begun at the nearest quarter of an hour: how long it takes differs by a minute at most."""
    since = (clock.at(start) - EPOCH) / QUARTER
    return _Place(jar, replace(clock, origin=EPOCH + round(since) * QUARTER), mass_g)


@lru_cache(maxsize=512)
def _levains_to_ripe(place: _Place, ratios: tuple[float, ...], hours: float) -> tuple[float, ...]:
    """Hours until each of some feeds is ripe, of those that are within ``hours``; nan for another."""
    state = fed(place.jar, START_C, ratios)
    trace = _trace(place.jar, state, place.clock, 0.0, hours, place.mass_g, np.ones(len(ratios)))
    return tuple(ripe_hours(trace).tolist())


@lru_cache(maxsize=512)
def _preferment_to_ripe(place: _Place, hours: float) -> float:
    """Hours until a yeasted preferment is ripe, as far as ``hours`` tell."""
    trace = _trace(place.jar, begin(place.jar, START_C), place.clock, 0.0, hours, place.mass_g, ONE)
    return float(preferment_ripe_hours(trace)[0])


def hours_to_ripe(
    jar: Makeup, clock: Clock, start: float, mass_g: float, ratios: tuple[float, ...], about_h: float = 0.0
) -> Floats:
    """Hours until each of some feeds that start at ``start`` is ripe; nan for one that is not within six days.

    ``about_h``: about how long that takes, if it is known.
    """
    place = _place(jar, clock, start, mass_g)
    hours: Floats = np.full(len(ratios), np.nan)
    for horizon in (ceil(about_h) or HORIZONS_H[0], *HORIZONS_H[0 if about_h else 1 :]):
        hours = np.array(_levains_to_ripe(place, ratios, horizon))
        if np.isfinite(hours).all():
            break
    return hours


def quickest_h(
    clock: Clock, start: float, mass_g: float, formula: Formula, preferment: Preferment, lively: float = 1.0
) -> float:
    """Hours until an equal-parts feed that starts at ``start`` is ripe; ``lively`` is the culture's activity.

    Six days for one that never ripens there.
    """
    jar = replace(jar_makeup(formula, preferment), liveliness=lively)
    hours = float(hours_to_ripe(jar, clock, start, mass_g, (1.0,), 9.0)[0])
    return HORIZONS_H[-1] if np.isnan(hours) else hours


def _past_ripe_h(hours: float) -> float:
    """How long a build that is ripe after ``hours`` is followed, so that its spread and its end are seen."""
    return max(hours + 6, 1.2 * hours)


def _trouble(clock: Clock, start: float, now: float) -> float:
    """Minutes by which a start lies in sleep or before now; 0 is good."""
    return clock.asleep_min(start, start + HANDS_MIN / 60) * 12 + max(now - start, 0) * 60


def levain(
    kind: str,
    clock: Clock,
    wanted: float,
    now: float,
    needed_g: float,
    kept_g: float,
    formula: Formula,
    preferment: Preferment,
    ratios: tuple[float, ...],
    activity: Floats,
    lively: float = 1.0,
    most_seed_g: float = float("inf"),
) -> Ripening:
    """The feed, of the ratios given, that is ripe at ``wanted`` and best fits the baker's night and the time left.

    ``lively`` is the culture's likely activity, ``most_seed_g`` what there is of it.
    """
    hydration = preferment.hydration_percent / 100
    jar = replace(jar_makeup(formula, preferment), liveliness=lively)
    mass = needed_g + kept_g + 10
    able = tuple(ratio for ratio in ratios if build(needed_g, kept_g, ratio, hydration).seed_g <= most_seed_g)
    ratios = able or (max(ratios),)
    ratio, start = _fitting(jar, clock, wanted, now, mass, ratios)
    state = fed(jar, START_C, (ratio,) * len(activity))
    trace = _trace(jar, state, clock, start, _past_ripe_h(wanted - start), mass, activity)
    made = build(needed_g, kept_g, ratio, hydration)
    ripe, spent = span(start + ripe_hours(trace)), span(start + spent_hours(trace))
    return Ripening(kind, preferment, made, start, wanted, ripe, spent, trace, kept_g)


def _fitting(
    jar: Makeup, clock: Clock, wanted: float, now: float, mass_g: float, ratios: tuple[float, ...]
) -> tuple[float, float]:
    """Which feed, of ``ratios``, suits night and time best, and when it starts so that it is ripe at ``wanted``.

    Where none ever ripens: the last of them, begun half a day before.
    """
    hours = hours_to_ripe(jar, clock, wanted - 7, mass_g, ratios)
    able = {ratio: wanted - float(each) for ratio, each in zip(ratios, hours, strict=True) if np.isfinite(each)}
    if not able:
        return ratios[-1], wanted - UNRIPE_H
    ways = [(ratio, wait) for wait in WAITS_H for ratio in able if wait <= waits_h(wanted - able[ratio])]

    def cost(way: tuple[float, float], start: float) -> tuple[float, float, int]:
        return _trouble(clock, start, now), way[1], ratios.index(way[0])

    likely = sorted(ways, key=lambda way: cost(way, able[way[0]] - way[1]))[:TRIED_EXACTLY]
    exact = {way: _started(jar, clock, wanted - way[1], mass_g, way[0], able[way[0]] - way[1]) for way in likely}
    best = min(likely, key=lambda way: cost(way, exact[way]))
    return best[0], exact[best]


def _started(jar: Makeup, clock: Clock, ripe_at: float, mass_g: float, ratio: float, start: float) -> float:
    """When a feed starts that is ripe then; ``start`` is a first guess."""
    for _ in range(4):
        about = (ripe_at - start) * 1.3 + 4
        ripe = float(hours_to_ripe(jar, clock, start, mass_g, (ratio,), about)[0])
        late = start + (ripe_at - start if np.isnan(ripe) else ripe) - ripe_at
        start -= late
        if abs(late) < 0.1:
            break
    return start


def waits_h(ripe_h: float) -> float:
    """How long a levain that took ``ripe_h`` to be ripe waits without harm: the slower it ripened, the longer."""
    return WAITS_PART * ripe_h


def preferment_h(
    clock: Clock,
    wanted: float,
    needed_g: float,
    formula: Formula,
    preferment: Preferment,
    strength: float = 1.0,
    about_h: float = 12.0,
) -> float:
    """Hours before ``wanted`` at which a poolish, biga or sponge of the formula's own yeast dose is mixed to be ripe.

    ``strength`` of its dry yeast beside fresh stock; ``about_h`` is a first guess.
    """
    jar = jar_makeup(formula, preferment, strength)
    start = wanted - about_h
    for _ in range(6):
        hours = min(ceil(max(wanted - start, 6) * 1.5 + 2), HORIZONS_H[-1])
        late = start + _preferment_to_ripe(_place(jar, clock, start, needed_g), hours) - wanted
        start = max(start - late, wanted - HORIZONS_H[-1])
        if abs(late) < 0.1:
            break
    return wanted - start


def yeasted(
    clock: Clock,
    wanted: float,
    needed_g: float,
    formula: Formula,
    preferment: Preferment,
    activity: Floats,
    strength: float = 1.0,
) -> Ripening:
    """A poolish, biga or sponge of the formula's own yeast dose, mixed so that it is ripe at ``wanted``.

    ``strength`` of its dry yeast beside fresh stock.
    """
    hydration = preferment.hydration_percent / 100
    jar = jar_makeup(formula, preferment, strength)
    start = wanted - preferment_h(clock, wanted, needed_g, formula, preferment, strength)
    state = begin(jar, START_C, len(activity))
    trace = _trace(jar, state, clock, start, _past_ripe_h(wanted - start), needed_g, activity)
    flour = needed_g / (1 + hydration + preferment.yeast_percent / 100)
    ripe = span(start + preferment_ripe_hours(trace))
    spent = span(start + spent_hours(trace))
    return Ripening(
        preferment.kind, preferment, Build(0, 0, flour, flour * hydration), start, wanted, ripe, spent, trace
    )
