"""What bakers see, as cases that the engine must reproduce: each a figure and the window in which it must fall."""

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.dough import Dough, FlourPart, makeup
from gentle_crust.core.fermentation.engine import Leg, Trace, begin, handled, rise_of, run
from gentle_crust.core.fermentation.uncertainty import ONE
from gentle_crust.core.formula.model import Preferment, new_formula
from gentle_crust.core.leaven.build import fed, jar_capacity, jar_makeup, preferment_ripe_hours


@dataclass(frozen=True)
class Case:
    """One row: what is measured, its unit, the accepted window, and how the engine answers it."""

    name: str
    unit: str
    low: float
    high: float
    value: Callable[[], float]
    condition: str = "home"


def white(g: float = 1000) -> tuple[FlourPart, ...]:
    """Grams of strong white flour."""
    return (FlourPart("strong_white", g),)


def levain_dough(percent: float, salt_g: float = 20) -> Dough:
    """``percent`` g levain per 100 g added flour, 75 % water overall."""
    levain = 10 * percent
    return Dough(white(), 0.75 * (1000 + levain / 2) - levain / 2, salt_g, levain_g=levain)


def hours_to(
    dough: Dough, c: float, rise: float, start_c: float | None = None, container: str = "covered_bowl"
) -> float:
    """Hours until ``dough`` has risen by ``rise`` at a steady ``c``; 99 if it never does."""
    made = makeup(dough)
    state = "tray" if container == "tray" else "bulk"
    fridge = start_c is not None and c < start_c - 10
    leg = Leg(60, np.full(240, float(c)), container, made.dough_g, greatest_rise(made, state), fridge=fridge)
    found = run(made, begin(made, c if start_c is None else start_c), leg, ONE).hours_to(rise)[0]
    return 99.0 if np.isnan(found) else float(found)


def _yeasted(percent: float, water: float, c: float) -> Callable[[], float]:
    return lambda: hours_to(Dough(white(), 10 * water, 20, instant_yeast_g=10 * percent), c, 1.0)


def _levain(percent: float, c: float) -> Callable[[], float]:
    return lambda: hours_to(levain_dough(percent), c, 0.75)


def _poolish() -> float:
    jar = jar_makeup(new_formula("White"), Preferment("poolish", "strong_white", 30, 100, 0.1))
    trace = run(jar, begin(jar, 21), Leg(24, np.array([21.0]), "covered_bowl", 500, jar_capacity(jar)), ONE)
    return float(preferment_ripe_hours(trace)[0])


def _feeds() -> Trace:
    jar = jar_makeup(new_formula("White"), Preferment("levain", "strong_white", 10, 100))
    leg = Leg(24, np.array([24.0]), "covered_bowl", 150, jar_capacity(jar))
    return run(jar, fed(jar, 24, (1.0, 5.0)), leg, np.ones(2))


def _quick_feed() -> float:
    return float(_feeds().hours_to(1.0)[0])


def _slow_feed() -> float:
    trace = _feeds()
    return float(trace.hours[trace.rise[:, 1].argmax()])


def _cold_ball() -> float:
    ball = Dough(white(176), 114.4, 3.5, instant_yeast_g=1.76)
    return hours_to(ball, 4, 1.0, start_c=24, container="tray")


def _cold_gain() -> float:
    made = makeup(levain_dough(20))
    bulk = run(made, begin(made, 24), Leg(9, np.array([24.0]), "covered_bowl", 1800, 2.4), ONE)
    state = bulk.at(float(bulk.hours_to(0.5)[0]))
    for handling in ("divide", "gentle_shape"):
        state = handled(made, state, handling)
    holds = greatest_rise(made, "free_standing")
    cold = run(made, state, Leg(12, np.full(48, 4.0), "banneton", 900, holds, fridge=True), ONE)
    return 100 * float(cold.rise[-1, 0] - rise_of(made, state)[0])


def _no_salt() -> float:
    return hours_to(levain_dough(20), 24, 0.75) / hours_to(levain_dough(20, 0), 24, 0.75)


CASES = (
    Case("1 % instant yeast, 65 % water, 25.5 C: doubled", "h", 1.0, 1.5, _yeasted(1, 65, 25.5)),
    Case("0.35 % instant yeast, 70 % water, 24 C: doubled", "h", 2.4, 3.5, _yeasted(0.35, 70, 24)),
    Case("0.19 % instant yeast, 77 % water, 21 C: doubled", "h", 7, 10, _yeasted(0.19, 77, 21)),
    Case("poolish with 0.1 % instant yeast, 21 C: ripe", "h", 11, 15, _poolish),
    Case("300 g ball, 1 % instant yeast, from 24 C into 4 C: doubled", "h", 16, 36, _cold_ball),
    Case("levain 20 %, 18 C: risen by 75 %", "h", 10, 13, _levain(20, 18)),
    Case("levain 20 %, 21 C: risen by 75 %", "h", 7, 9, _levain(20, 21)),
    Case("levain 20 %, 24 C: risen by 75 %", "h", 5, 6.3, _levain(20, 24)),
    Case("levain 20 %, 26 C: risen by 75 %", "h", 4.2, 5.3, _levain(20, 26)),
    Case("levain 20 %, 28 C: risen by 75 %", "h", 3.7, 5.2, _levain(20, 28)),
    Case("levain 10 %, 24 C: risen by 75 %", "h", 6.5, 8.5, _levain(10, 24)),
    Case("culture fed 1:1:1, 24 C: doubled", "h", 3, 4.7, _quick_feed),
    Case("culture fed 1:5:5, 24 C: at its peak", "h", 8, 12, _slow_feed),
    Case("2 % salt against none, levain 20 %, 24 C: slower by a factor", "", 1.15, 1.30, _no_salt),
    Case("900 g loaf at +50 %, from 24 C, 12 h at 4 C: gains", "points", 5, 40, _cold_gain),
)
