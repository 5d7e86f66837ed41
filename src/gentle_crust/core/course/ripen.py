"""What ripens beside a dough: feeds, levain, preferments, soakers, each begun so that it is ready when it is mixed."""

from dataclasses import dataclass, replace
from datetime import UTC, datetime

import numpy as np

from gentle_crust.core.clock import Clock, Stand
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.fill import Batch, Filled, FilledPath, ripened
from gentle_crust.core.course.method import Place
from gentle_crust.core.course.places import steady_c
from gentle_crust.core.fermentation.engine import begin, run
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.room import room_leg, step_h
from gentle_crust.core.fermentation.uncertainty import ONE, span
from gentle_crust.core.formula.model import Formula, Preferment
from gentle_crust.core.leaven.build import (
    Build,
    jar_capacity,
    jar_makeup,
    preferment_in_dough,
    preferment_ripe_hours,
    spent_hours,
)
from gentle_crust.core.leaven.feeds import Wanted, ripenings_for
from gentle_crust.core.leaven.ripening import (
    LEVAIN_RATIOS,
    START_C,
    UNRIPE_H,
    WAITS_H,
    Ripening,
    hours_to_ripe,
    levain,
    preferment_h,
    quickest_h,
    waits_h,
    yeasted,
)

ALWAYS = datetime(1970, 1, 1, tzinfo=UTC)
HANDS_H = 5 / 60
SLOWER_FEEDS = (1.0, 1.5, 2.2, 3.2)
"""A feed with more flour takes so many times as long as the quickest (practice)."""


@dataclass(frozen=True)
class Beside:
    """A stage beside the dough: when it begins and when it is wanted, hours from the clock's origin.

    ``ripening`` of a feed, a levain or a preferment; None of a soaker. ``filled`` is None for a feed that the method
    does not name and the culture wants.
    """

    kind: str
    filled: Filled | None
    start: float
    wanted: float
    ripening: Ripening | None = None

    @property
    def row(self) -> int:
        """Of what ripens: the row of its trace at which it is wanted."""
        if self.ripening is None:
            return 0
        hours = self.ripening.trace.hours
        return min(int(len(hours) * (self.wanted - self.start) / float(hours[-1])), len(hours) - 1)


def placed(clock: Clock, place: Place, asked: Asked) -> Clock:
    """The clock of a jar that stands in a place instead of the room."""
    if place.name == "room":
        return clock
    ambient = place.path[0][1] if place.path else steady_c(place, asked.kitchen, START_C)
    return replace(clock, stands=(Stand(ALWAYS, None, ambient),))


def beside(asked: Asked, path: FilledPath, clock: Clock, mix: float, now: float, factors: Floats) -> tuple[Beside, ...]:
    """All that goes on beside a dough of ``path`` that is mixed at ``mix``, first things first."""
    found: list[Beside] = []
    levains = [each for each in ripened(asked, path.batch.weighed, path) if each[0].kind == "levain"]
    if levains:
        found += _levains(asked, path, clock, mix, now, factors, levains)
    for filled, preferment, mass in ripened(asked, path.batch.weighed, path):
        if filled.kind == "preferment":
            ripening = _preferment(asked, filled, preferment, mass, clock, mix, factors)
            found.append(Beside("preferment", filled, ripening.start, mix, ripening))
    found += [_soaked(each, clock, mix) for each in path.beside if each.kind in ("soak", "scald")]
    return tuple(sorted(found, key=lambda each: each.start))


def _levains(
    asked: Asked, path: FilledPath, clock: Clock, mix: float, now: float, factors: Floats,
    levains: list[tuple[Filled, Preferment, float]],
) -> list[Beside]:  # fmt: skip
    """Levains with the feeds that the culture wants before them."""
    stages = [each for each, _, _ in levains]
    feeds = [each for each in path.beside if each.kind == "feed"]
    own = placed(clock, stages[0].place, asked)
    stated = stages[0].until
    if stated.way == "span" and not feeds:
        return [_for_so_long(asked.formula, each, own, mix, now, factors) for each in levains]
    wanted = Wanted(
        asked.formula, tuple((one, mass) for _, one, mass in levains), asked.starter, not asked.lively or bool(feeds)
    )
    found = []
    for ripening in ripenings_for(wanted, own, mix, now, factors):
        queue = feeds if ripening.kind == "feed" else stages
        filled = queue.pop(0) if queue else None
        found.append(Beside(ripening.kind, filled, ripening.start, ripening.wanted, ripening))
    return found


def _for_so_long(
    formula: Formula, one: tuple[Filled, Preferment, float], clock: Clock, mix: float, now: float, factors: Floats
) -> Beside:
    """A levain of a stated length: built with the seed that makes it ripe then."""
    filled, preferment, mass = one
    low, high = filled.until.minutes
    middle = (low + high) / 120
    able = [
        levain("levain", clock, mix, now, mass, 0.0, formula, preferment, (ratio,), factors) for ratio in LEVAIN_RATIOS
    ]
    best = min(able, key=lambda each: abs(each.wanted - each.start - middle))
    return Beside("levain", filled, best.start, mix, best)


def _preferment(
    asked: Asked, filled: Filled, preferment: Preferment, mass: float, clock: Clock, mix: float, factors: Floats
) -> Ripening:
    """A poolish, biga or sponge: until it is ripe, or for as long as its baker says."""
    own = placed(clock, filled.place, asked)
    if filled.until.way != "span":
        return yeasted(own, mix, mass, asked.formula, preferment, factors, asked.kitchen.strength)
    hours = awake_h(clock, mix, filled.until.minutes)
    start = mix - hours
    jar = jar_makeup(asked.formula, preferment, asked.kitchen.strength)
    leg = room_leg(own, start, hours + 6, "covered_bowl", mass, jar_capacity(jar), step_h(factors))
    trace = run(jar, begin(jar, START_C, len(factors)), leg, factors)
    hydration = preferment.hydration_percent / 100
    flour = mass / (1 + hydration + preferment.yeast_percent / 100)
    ripe, spent = span(start + preferment_ripe_hours(trace)), span(start + spent_hours(trace))
    made = Build(0, 0, flour, flour * hydration)
    return Ripening(preferment.kind, preferment, made, start, mix, ripe, spent, trace)


def awake_h(clock: Clock, wanted: float, minutes: tuple[float, float]) -> float:
    """Hours before ``wanted`` at which something is begun that may take so many minutes.

    Not before the clock's origin, which is now; awake; near the middle of what it may take.
    """
    low, high = minutes[0] / 60, minutes[1] / 60
    tries = np.linspace(low, high, 13) if high > low else np.array([low])
    middle = (low + high) / 2

    def trouble(hours: float) -> tuple[float, float, float]:
        start = wanted - hours
        return max(-start, 0.0), clock.asleep_min(start, start + HANDS_H), abs(hours - middle)

    return float(min(tries.tolist(), key=trouble))


def _soaked(filled: Filled, clock: Clock, mix: float) -> Beside:
    return Beside(filled.kind, filled, mix - awake_h(clock, mix, filled.until.minutes), mix)


Lead = tuple[float, ...]
"""Hours before the mixing at which hands are needed for what ripens beside it, the last first."""


def leads_h(asked: Asked, path: FilledPath, clock: Clock, mix: float) -> tuple[tuple[Lead, ...], ...]:
    """For each stage beside a dough that is mixed about ``mix``: the ways to lead it there, the usual first.

    What the culture wants before its levain is in the levain's.
    """
    found: list[tuple[Lead, ...]] = []
    lively = 1.0 if asked.starter is None else asked.starter.vigour.likely
    feeds = int(not asked.lively) if asked.starter is None else asked.starter.feeds_first(clock.at(mix - 8))
    feeds = max(feeds, sum(each.kind == "feed" for each in path.beside))
    for filled, preferment, mass in ripened(asked, path.batch.weighed, path):
        own = placed(clock, filled.place, asked)
        if filled.until.way == "span":
            found.append(_spread_h(filled.until.minutes))
        elif filled.kind == "levain":
            jar = replace(jar_makeup(asked.formula, preferment), liveliness=lively)
            hours = hours_to_ripe(jar, own, mix - 7, mass, LEVAIN_RATIOS)
            woken = feeds * quickest_h(own, mix - 14, mass, asked.formula, preferment, lively) if feeds else 0.0
            fed = _feed_leads(woken, feeds)
            ripe = hours[np.isfinite(hours)].tolist()
            waited = [each + wait for wait in WAITS_H for each in ripe if wait <= waits_h(each)]
            able = tuple((each, *(each + more for more in before)) for each in waited for before in fed)
            found.append(able or ((UNRIPE_H,),))
        else:
            hours_h = preferment_h(own, mix, mass, asked.formula, preferment, asked.kitchen.strength)
            found.append(((hours_h,),))
    found += [_spread_h(each.until.minutes) for each in path.beside if each.kind in ("soak", "scald")]
    return tuple(found)


def _feed_leads(woken_h: float, feeds: int) -> tuple[Lead, ...]:
    """Hours before a levain at which its culture may be fed: as quickly as can be, or with more flour and slower."""
    if not feeds:
        return ((),)
    return tuple(tuple(slower * woken_h * (n + 1) / feeds for n in range(feeds)) for slower in SLOWER_FEEDS)


def _spread_h(minutes: tuple[float, float]) -> tuple[Lead, ...]:
    low, high = minutes[0] / 60, minutes[1] / 60
    return tuple((each,) for each in np.linspace(low, high, 7).tolist()) if high > low else ((low,),)


def with_ripe(asked: Asked, path: FilledPath, clock: Clock, mix: float) -> Batch:
    """The path's dough with its yeasted preferments as ripe as they will be when it is mixed."""
    batch = path.batch
    for filled, preferment, mass in ripened(asked, batch.weighed, path):
        if filled.kind == "preferment":
            ripening = _preferment(asked, filled, preferment, mass, clock, mix, ONE)
            state = ripening.trace.at(mix - ripening.start)
            share, water = preferment.flour_percent / 100, preferment.hydration_percent / 100
            batch = replace(batch, makeup=preferment_in_dough(batch.makeup, state, share, water))
    return batch
