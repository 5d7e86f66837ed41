"""A poolish, biga, sponge or old dough by itself: how much yeast makes it ripe in time, and how long it may be used."""

from dataclasses import dataclass, replace
from functools import reduce
from typing import Literal, get_args

import numpy as np

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, Unreadable, within
from gentle_crust.core.fermentation.crossing import crossings
from gentle_crust.core.fermentation.dough import Dough, FlourPart, Makeup, makeup
from gentle_crust.core.fermentation.engine import Trace, begin, end_to_end
from gentle_crust.core.fermentation.forecast import Stretch, carry, check_path, long_enough
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.uncertainty import ONE, Span, activities, bought, span
from gentle_crust.core.leaven.build import preferment_ripe_hours, spent_hours
from gentle_crust.core.leaven.yeast_for import yeast_for

PrefermentKind = Literal["poolish", "biga", "sponge", "old_dough"]
OLD_DOUGH_SALT_PERCENT = 2.0
FOLLOWED_H = 120.0
FLOUR_G = 350.0
"""Flour of a preferment whose size is not said: it cools and warms like this much (practice)."""
USABLE_SHARE = 0.6
"""Share of the gas that it will have made when it is ripe, from which on it raises a dough well (practice)."""


@dataclass(frozen=True)
class PrefermentAsked:
    """What is asked about: ``flours`` in percent of its flour, ``hydration`` a fraction, where it stands from mixing.

    The last stretch of ``path`` goes on for as long as it takes. ``start_c``: its warmth as it is mixed.
    """

    kind: PrefermentKind
    flours: tuple[FlourPart, ...]
    hydration: float
    path: tuple[Stretch, ...]
    start_c: float = 22.0

    def jar(self, yeast_percent: float) -> Makeup:
        """It as a dough in its jar, with so much instant yeast (percent of its flour)."""
        total = sum(part.g for part in self.flours)
        flours = tuple(FlourPart(part.kind, FLOUR_G * part.g / total) for part in self.flours)
        salt = OLD_DOUGH_SALT_PERCENT if self.kind == "old_dough" else 0.0
        dough = Dough(
            flours, FLOUR_G * self.hydration, FLOUR_G * salt / 100, instant_yeast_g=FLOUR_G * yeast_percent / 100
        )
        return replace(makeup(dough), in_jar=True)


@dataclass(frozen=True)
class Window:
    """Hours from mixing between which it may be used; ``to`` is None if it is good for as long as was looked."""

    from_h: float
    to_h: float | None


@dataclass(frozen=True)
class RipeTimes:
    """Instant yeast (percent of its flour), when it is ripe, and the window in which it may be used."""

    instant_yeast_percent: float
    ripe_h: Span
    window_h: Window


def _check(one: PrefermentAsked) -> None:
    if one.kind not in get_args(PrefermentKind):
        raise Unreadable("kind", "culture-preferment-unknown", kind=one.kind, names=get_args(PrefermentKind))
    if not one.flours or sum(part.g for part in one.flours) <= 0:
        raise CraftError("flours", "fermentation-no-flour")
    within("hydration", limits.PREFERMENT_WATER_PERCENT, round(100 * one.hydration, 1))
    within("start_c", limits.MIX_C, one.start_c)
    check_path(one.path)


def trace_of(one: PrefermentAsked, yeast_percent: float, factors: Floats = ONE) -> Trace:
    """It carried along its path and on, one column an activity of its yeast."""
    jar = one.jar(yeast_percent)
    state = begin(jar, one.start_c, len(factors))
    path = long_enough(one.path, FOLLOWED_H)
    return reduce(end_to_end, carry(jar, state, path, jar.dough_g, bought(), factors, jar=True))


def usable_from(trace: Trace) -> Floats:
    """Hours at which each column has made most of the gas that it will have made when it is ripe: usable from then on.

    nan where it is not ripe within the trace.
    """
    ripe = preferment_ripe_hours(trace)
    by_then = np.array([np.interp(at, trace.hours, made) for at, made in zip(ripe, trace.made_ml.T, strict=True)])
    return crossings(trace.hours, trace.made_ml / np.maximum(by_then, 1e-9), USABLE_SHARE)


def with_yeast(one: PrefermentAsked, yeast_percent: float) -> RipeTimes:
    """When a preferment with so much instant yeast (percent of its flour, 0.001-5) is ripe. CraftError if none."""
    _check(one)
    within("instant_yeast_percent", limits.PREFERMENT_DOSE_PERCENT, yeast_percent)
    factors = activities(bought())
    trace = trace_of(one, yeast_percent, factors)
    middle = len(factors) // 2
    spent = float(spent_hours(trace)[middle])
    window = Window(float(usable_from(trace)[middle]), None if np.isnan(spent) else spent)
    return RipeTimes(yeast_percent, span(preferment_ripe_hours(trace)), window)


def ripe_in(one: PrefermentAsked, hours: float) -> RipeTimes:
    """The instant yeast that makes it ripe after ``hours``, and what comes of it.

    Never more than 1 % where it may be used by then with that: a cold sponge is stirred early, not dosed high.
    CraftError, naming the field, if no dose does.
    """
    _check(one)
    within("ripe_in_h", limits.UNTIL_RIPE_H, hours)

    def ripe(percent: float) -> float:
        return float(preferment_ripe_hours(trace_of(one, percent))[0])

    def usable(percent: float) -> float:
        return float(usable_from(trace_of(one, percent))[0])

    return with_yeast(one, yeast_for(hours, ripe, usable, "ripe_in_h"))
