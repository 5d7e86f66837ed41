"""Questions turned round: how much leaven, how warm, how long, so that the dough is there at a given time.

Each is answered by finding the root of the forecast's likely course, and says what it leans on most.
"""

from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np

from gentle_crust.core import limits
from gentle_crust.core.errors import within
from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.dough import Makeup
from gentle_crust.core.fermentation.engine import Leg, begin, run
from gentle_crust.core.fermentation.uncertainty import ONE, Vigour, activities, span
from gentle_crust.core.limits import Limit

LONGEST_H = 96.0
STEP_H = 0.25


@dataclass(frozen=True)
class Bulk:
    """A dough in its vessel: what it is made of, its grams, its temperature and the room's."""

    makeup: Makeup
    dough_g: float
    dough_c: float
    room_c: float
    container: str = "covered_bowl"


@dataclass(frozen=True)
class Turned:
    """``value`` that brings the rise at the time, or None where nothing within reach does; then ``sentence`` says why.

    ``leans_on`` names the assumption that matters most.
    """

    value: float | None
    low: float
    high: float
    sentence: str
    leans_on: str


WARMTH = "that the room stays as warm as said: one degree moves it by about a tenth."
CULTURE = "that the leaven is as lively as usual: nothing was read of this dough yet."


def _path(bulk: Bulk, hours: float, later_c: float | None = None, from_h: float = 0.0) -> np.ndarray:
    steps = max(int(np.ceil(hours / STEP_H)), 2)
    middles = (np.arange(steps) + 0.5) * hours / steps
    return np.where(middles < from_h, bulk.room_c, bulk.room_c if later_c is None else later_c)


def rise_after(bulk: Bulk, hours: float, later_c: float | None = None, from_h: float = 0.0) -> float:
    """Likely rise after ``hours``; from ``from_h`` on the vessel stands at ``later_c``."""
    holds = greatest_rise(bulk.makeup, "bulk")
    leg = Leg(hours, _path(bulk, hours, later_c, from_h), bulk.container, bulk.dough_g, holds)
    trace = run(bulk.makeup, begin(bulk.makeup, bulk.dough_c), leg, ONE)
    return float(trace.rise[:, 0].max())


def ready_h(bulk: Bulk, rise: float, vigour: Vigour | None = None) -> Turned:
    """Hours until the rise is there, low to high."""
    factors = activities(vigour)
    leg = Leg(LONGEST_H, _path(bulk, LONGEST_H), bulk.container, bulk.dough_g, greatest_rise(bulk.makeup, "bulk"))
    found = span(run(bulk.makeup, begin(bulk.makeup, bulk.dough_c, len(factors)), leg, factors).hours_to(rise))
    if found.likely is None:
        return Turned(None, 0, LONGEST_H, "It does not come to that rise within four days.", WARMTH)
    return Turned(found.likely, found.low or 0, found.high or LONGEST_H, "", CULTURE)


def _solve(
    low: float, high: float, hours: float, rise: float, rise_for: Callable[[float], float], leans_on: str, what: str
) -> Turned:
    """Root of ``rise_for`` - ``rise`` between two values; a rise that peaks earlier counts as reached."""
    from scipy.optimize import brentq  # it takes half a second to load

    within("hours", Limit("time", 0.25, LONGEST_H, "h"), hours)
    within("rise", limits.ASKED_RISE, rise)
    at_low, at_high = rise_for(low) - rise, rise_for(high) - rise
    if at_low * at_high > 0:
        much = at_low > 0
        word = "least" if (much == (at_low < at_high)) else "most"
        sentence = f"Even the {word} {what} does not do it in {hours:.1f} h: "
        sentence += "it would be past it." if much else "it would not be there yet."
        return Turned(None, low, high, sentence, leans_on)
    value = float(brentq(lambda x: rise_for(x) - rise, low, high, xtol=1e-3 * (high - low)))
    return Turned(value, low, high, "", leans_on)


def levain_for(bulk: Bulk, rise: float, hours: float) -> Turned:
    """Prefermented flour of a ripe levain, percent of all flour, for ``rise`` after ``hours``."""

    def rise_for(percent: float) -> float:
        return rise_after(replace(bulk, makeup=replace(bulk.makeup, levain_yeast=percent / 100)), hours)

    return _solve(0.5, 40, hours, rise, rise_for, CULTURE, "levain (0.5 to 40 % of the flour)")


def yeast_for(bulk: Bulk, rise: float, hours: float) -> Turned:
    """Instant yeast, percent of all flour, for ``rise`` after ``hours``."""

    def rise_for(percent: float) -> float:
        return rise_after(replace(bulk, makeup=replace(bulk.makeup, yeast_percent=percent)), hours)

    return _solve(0.005, 3, hours, rise, rise_for, WARMTH, "yeast (0.005 to 3 %)")


def dough_c_for(bulk: Bulk, rise: float, hours: float) -> Turned:
    """Temperature that the dough must leave the bowl with."""
    return _solve(
        16, 32, hours, rise, lambda c: rise_after(replace(bulk, dough_c=c), hours), WARMTH, "warmth (16 to 32 C)"
    )


def proofer_c_for(bulk: Bulk, rise: float, hours: float) -> Turned:
    """Temperature of a proofer that the dough stands in from the bowl on; not above where the leaven does best."""
    top = 27.0 if bulk.makeup.levain_yeast > 0 else 35.0
    what = f"warmth (8 to {top:.0f} C)"
    return _solve(8, top, hours, rise, lambda c: rise_after(replace(bulk, room_c=c), hours), CULTURE, what)


def room_h_before_fridge(bulk: Bulk, rise: float, hours: float, fridge_c: float) -> Turned:
    """Hours in the room before the fridge so that the rise is there after ``hours`` altogether."""

    def rise_for(room_h: float) -> float:
        return rise_after(bulk, hours, fridge_c, room_h)

    leans = "that the fridge cools as said: a warm or full one goes on for an hour or two."
    return _solve(0, hours, hours, rise, rise_for, leans, "time in the room")


def take_out_h(bulk: Bulk, rise: float, hours: float, fridge_c: float, room_h: float) -> Turned:
    """When to take a dough out that went into the fridge after ``room_h``, so that it is there after ``hours``."""
    holds = greatest_rise(bulk.makeup, "bulk")

    def rise_for(out_h: float) -> float:
        steps = max(int(np.ceil(hours / STEP_H)), 2)
        middles = (np.arange(steps) + 0.5) * hours / steps
        cold = (middles >= room_h) & (middles < out_h)
        path = np.where(cold, fridge_c, bulk.room_c)
        leg = Leg(hours, path, bulk.container, bulk.dough_g, holds)
        return float(run(bulk.makeup, begin(bulk.makeup, bulk.dough_c), leg, ONE).rise[:, 0].max())

    return _solve(room_h, hours, hours, rise, rise_for, WARMTH, "time in the fridge")
