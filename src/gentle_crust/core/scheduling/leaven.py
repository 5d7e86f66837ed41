"""When to feed the culture, build the levain or mix the poolish, so that it is ripe when the dough needs it."""

from dataclasses import dataclass, replace

import numpy as np

from gentle_crust.core.culture.build import (
    Build,
    build,
    fed,
    jar_capacity,
    jar_makeup,
    preferment_ripe_hours,
    ripe_hours,
    spent_hours,
)
from gentle_crust.core.fermentation.dough import Makeup
from gentle_crust.core.fermentation.engine import State, Trace, begin, run
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.uncertainty import ONE, Span, span
from gentle_crust.core.formula.model import Formula, Preferment
from gentle_crust.core.scheduling.clock import Clock
from gentle_crust.core.scheduling.course import room_leg, step_h

LEVAIN_RATIOS = (2.0, 3.0, 1.0, 4.0, 5.0, 6.0, 8.0, 10.0)
CULTURE_RATIOS = (1.0, 2.0, 3.0, 5.0, 8.0)
"""Feeds that are tried, parts of flour to one of seed, the one bakers like best first."""
START_C = 25.0
"""Builds are mixed with water that brings them to this, if the room is not warmer (practice)."""
CULTURE_KEPT_G = 40.0
"""Culture that goes back to sleep after the levain was taken from it (practice)."""
HANDS_MIN = 5
LONGEST_H = 16.0


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


def _starts(jar: Makeup, clock: Clock, wanted: float, mass_g: float, ratios: tuple[float, ...]) -> dict[float, float]:
    """About when each feed would have to start; all side by side at the temperatures before ``wanted``."""
    guess = _trace(jar, fed(jar, START_C, ratios), clock, wanted - 7, LONGEST_H, mass_g, np.ones(len(ratios)))
    return {ratio: wanted - float(hours) for ratio, hours in zip(ratios, ripe_hours(guess), strict=True)}


def quickest_h(
    clock: Clock, start: float, mass_g: float, formula: Formula, preferment: Preferment, lively: float = 1.0
) -> float:
    """Hours until an equal-parts feed that starts at ``start`` is ripe; ``lively`` is the culture's activity."""
    jar = replace(jar_makeup(formula, preferment), liveliness=lively)
    return float(ripe_hours(_trace(jar, fed(jar, START_C, (1.0,)), clock, start, 9.0, mass_g, ONE))[0])


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
    starts = _starts(jar, clock, wanted, mass, ratios)
    ratio = min(ratios, key=lambda each: (_trouble(clock, starts[each], now), ratios.index(each)))
    start = starts[ratio]
    for _ in range(3):
        hours = float(
            ripe_hours(_trace(jar, fed(jar, START_C, (ratio,)), clock, start, wanted - start + 4, mass, ONE))[0]
        )
        late = start + hours - wanted
        start -= late
        if abs(late) < 0.1:
            break
    state = fed(jar, START_C, (ratio,) * len(activity))
    trace = _trace(jar, state, clock, start, wanted - start + 6, mass, activity)
    made = build(needed_g, kept_g, ratio, hydration)
    ripe, spent = span(start + ripe_hours(trace)), span(start + spent_hours(trace))
    return Ripening(kind, preferment, made, start, wanted, ripe, spent, trace, kept_g)


def yeasted(
    clock: Clock,
    wanted: float,
    needed_g: float,
    formula: Formula,
    preferment: Preferment,
    activity: Floats,
    about_h: float = 12.0,
) -> Ripening:
    """When to mix a poolish, biga or sponge of the formula's own yeast dose so that it is ripe at ``wanted``.

    ``about_h`` is a first guess of how long it takes.
    """
    hydration = preferment.hydration_percent / 100
    jar = jar_makeup(formula, preferment)
    start = wanted - about_h
    for _ in range(4):
        trace = _trace(jar, begin(jar, START_C), clock, start, max(wanted - start, 6) * 1.5 + 2, needed_g, ONE)
        late = start + float(preferment_ripe_hours(trace)[0]) - wanted
        start -= late
        if abs(late) < 0.1:
            break
    state = begin(jar, START_C, len(activity))
    trace = _trace(jar, state, clock, start, wanted - start + 6, needed_g, activity)
    flour = needed_g / (1 + hydration + preferment.yeast_percent / 100)
    ripe = span(start + preferment_ripe_hours(trace))
    spent = span(start + spent_hours(trace))
    return Ripening(
        preferment.kind, preferment, Build(0, 0, flour, flour * hydration), start, wanted, ripe, spent, trace
    )
