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
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.uncertainty import ONE, Vigour, activities, of_leaven, span
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import NOTHING, Message, message

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
    sentence: Message
    leans_on: Message


WARMTH = message("leans-warmth")
CULTURE = message("leans-culture")


def _path(bulk: Bulk, hours: float, later_c: float | None = None, from_h: float = 0.0) -> Floats:
    steps = max(int(np.ceil(hours / STEP_H)), 2)
    step = hours / steps
    still_in_room = np.clip(from_h / step - np.arange(steps), 0, 1)
    then_c = bulk.room_c if later_c is None else later_c
    path: Floats = bulk.room_c * still_in_room + then_c * (1 - still_in_room)
    return path


def rise_after(bulk: Bulk, hours: float, later_c: float | None = None, from_h: float = 0.0) -> float:
    """Likely rise after ``hours``; from ``from_h`` on the vessel stands at ``later_c``.

    Parameters
    ----------
    bulk : a dough in bulk: its makeup, warmth and vessel
    hours : hours, 0-240
    later_c : temperature after that hour, C
    from_h : hour from which that holds

    Returns
    -------
    Rise, a fraction.
    """
    holds = greatest_rise(bulk.makeup, "bulk")
    leg = Leg(hours, _path(bulk, hours, later_c, from_h), bulk.container, bulk.dough_g, holds)
    trace = run(bulk.makeup, begin(bulk.makeup, bulk.dough_c), leg, ONE)
    return float(trace.rise[:, 0].max())


def ready_h(bulk: Bulk, rise: float, vigour: Vigour | None = None) -> Turned:
    """Hours until the rise is there, low to high.

    Parameters
    ----------
    bulk : a dough in bulk: its makeup, warmth and vessel
    rise : growth over the gas-free volume, a fraction, 0-4
    vigour : what is believed of the leaven's pace: likely factor, spread, shares weak and dead

    Returns
    -------
    Hours, low, likely and high.
    """
    factors = activities(of_leaven(bulk.makeup) if vigour is None else vigour)
    leg = Leg(LONGEST_H, _path(bulk, LONGEST_H), bulk.container, bulk.dough_g, greatest_rise(bulk.makeup, "bulk"))
    found = span(run(bulk.makeup, begin(bulk.makeup, bulk.dough_c, len(factors)), leg, factors).hours_to(rise))
    if found.likely is None:
        return Turned(None, 0, LONGEST_H, message("inverse-never"), WARMTH)
    return Turned(found.likely, found.low or 0, found.high or LONGEST_H, NOTHING, CULTURE)


def _solve(
    low: float,
    high: float,
    hours: float,
    rise: float,
    rise_for: Callable[[float], float],
    leans_on: Message,
    what: Message,
) -> Turned:
    """Root of ``rise_for`` - ``rise`` between two values; a rise that peaks earlier counts as reached."""
    from scipy.optimize import brentq  # it takes half a second to load

    within("hours", Limit("time", 0.25, LONGEST_H, "h"), hours)
    within("rise", limits.ASKED_RISE, rise)
    at_low, at_high = rise_for(low) - rise, rise_for(high) - rise
    if at_low * at_high > 0:
        much = at_low > 0
        extreme = "least" if (much == (at_low < at_high)) else "most"
        code = "inverse-past" if much else "inverse-not-there"
        sentence = message(code, of=message(f"inverse-{extreme}", what=what), hours=round(hours, 1))
        return Turned(None, low, high, sentence, leans_on)
    value = float(brentq(lambda x: rise_for(x) - rise, low, high, xtol=1e-3 * (high - low)))
    return Turned(value, low, high, NOTHING, leans_on)


def levain_for(bulk: Bulk, rise: float, hours: float) -> Turned:
    """Prefermented flour of a ripe levain, percent of all flour, for ``rise`` after ``hours``.

    Parameters
    ----------
    bulk : a dough in bulk: its makeup, warmth and vessel
    rise : growth over the gas-free volume, a fraction, 0-4
    hours : hours, 0-240

    Returns
    -------
    Percent of all flour, low, likely and high.
    """

    def rise_for(percent: float) -> float:
        return rise_after(replace(bulk, makeup=replace(bulk.makeup, levain_yeast=percent / 100)), hours)

    return _solve(0.5, 40, hours, rise, rise_for, CULTURE, message("inverse-levain"))


def yeast_for(bulk: Bulk, rise: float, hours: float) -> Turned:
    """Instant yeast, percent of all flour, for ``rise`` after ``hours``.

    Parameters
    ----------
    bulk : a dough in bulk: its makeup, warmth and vessel
    rise : growth over the gas-free volume, a fraction, 0-4
    hours : hours, 0-240

    Returns
    -------
    Percent of all flour, low, likely and high.
    """

    def rise_for(percent: float) -> float:
        return rise_after(replace(bulk, makeup=replace(bulk.makeup, yeast_percent=percent)), hours)

    return _solve(0.005, 3, hours, rise, rise_for, WARMTH, message("inverse-yeast"))


def dough_c_for(bulk: Bulk, rise: float, hours: float) -> Turned:
    """Temperature that the dough must leave the bowl with.

    Parameters
    ----------
    bulk : a dough in bulk: its makeup, warmth and vessel
    rise : growth over the gas-free volume, a fraction, 0-4
    hours : hours, 0-240

    Returns
    -------
    C, low, likely and high.
    """
    return _solve(
        16,
        32,
        hours,
        rise,
        lambda c: rise_after(replace(bulk, dough_c=c), hours),
        WARMTH,
        message("inverse-warmth", low=16, high=32),
    )


def proofer_c_for(bulk: Bulk, rise: float, hours: float) -> Turned:
    """Temperature of a proofer that the dough stands in from the bowl on; not above where the leaven does best.

    Parameters
    ----------
    bulk : a dough in bulk: its makeup, warmth and vessel
    rise : growth over the gas-free volume, a fraction, 0-4
    hours : hours, 0-240

    Returns
    -------
    C, low, likely and high.
    """
    top = 27.0 if bulk.makeup.levain_yeast > 0 else 35.0
    what = message("inverse-warmth", low=8, high=top)
    return _solve(8, top, hours, rise, lambda c: rise_after(replace(bulk, room_c=c), hours), CULTURE, what)


def room_h_before_fridge(bulk: Bulk, rise: float, hours: float, fridge_c: float) -> Turned:
    """Hours in the room before the fridge so that the rise is there after ``hours`` altogether.

    Parameters
    ----------
    bulk : a dough in bulk: its makeup, warmth and vessel
    rise : growth over the gas-free volume, a fraction, 0-4
    hours : hours, 0-240
    fridge_c : temperature of the fridge, C, 0-10

    Returns
    -------
    Hours, low, likely and high.
    """

    def rise_for(room_h: float) -> float:
        return rise_after(bulk, hours, fridge_c, room_h)

    leans = message("leans-fridge")
    return _solve(0, hours, hours, rise, rise_for, leans, message("inverse-room"))


def take_out_h(bulk: Bulk, rise: float, hours: float, fridge_c: float, room_h: float) -> Turned:
    """When to take a dough out that went into the fridge after ``room_h``, so that it is there after ``hours``.

    Parameters
    ----------
    bulk : a dough in bulk: its makeup, warmth and vessel
    rise : growth over the gas-free volume, a fraction, 0-4
    hours : hours, 0-240
    fridge_c : temperature of the fridge, C, 0-10
    room_h : hours in the room before the fridge

    Returns
    -------
    Hours, low, likely and high.
    """
    holds = greatest_rise(bulk.makeup, "bulk")

    def rise_for(out_h: float) -> float:
        steps = max(int(np.ceil(hours / STEP_H)), 2)
        middles = (np.arange(steps) + 0.5) * hours / steps
        cold = (middles >= room_h) & (middles < out_h)
        path = np.where(cold, fridge_c, bulk.room_c)
        leg = Leg(hours, path, bulk.container, bulk.dough_g, holds)
        return float(run(bulk.makeup, begin(bulk.makeup, bulk.dough_c), leg, ONE).rise[:, 0].max())

    return _solve(room_h, hours, hours, rise, rise_for, WARMTH, message("inverse-fridge"))
