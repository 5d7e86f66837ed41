"""Doughs outside the home range, by the condition that takes them there: hot, stiff, wet, rye, enriched, cold, ripe,
gluten-free.

Written before the model that has to answer them, but for the lower ends of what is gluten-free. Windows are practice
and cereal science from memory, unverified.
"""

from collections.abc import Callable
from dataclasses import replace

import numpy as np
from cases import Case, levain_dough, white

from gentle_crust.core.culture.sour import acid_ripe_h
from gentle_crust.core.fermentation.dough import Dough, FlourPart, Makeup, YeastState, makeup
from gentle_crust.core.fermentation.engine import Leg, Trace, begin, run
from gentle_crust.core.fermentation.forecast import Forecast, Stretch, forecast
from gentle_crust.core.fermentation.uncertainty import ONE
from gentle_crust.core.formula.model import FlourShare
from gentle_crust.core.leaven.brought import MixedIn, whole
from gentle_crust.core.leaven.build import jar_capacity, jar_of, preferment_ripe_hours

NEVER_H = 99.0


def at_share(share: float, kind: str = "strong_white", water: float = 0.75, salt_g: float = 20) -> Dough:
    """1 kg of flour in all, a ``share`` of it (fraction) in a ripe levain of equal flour and water."""
    ripe = 1000 * share
    return Dough((FlourPart(kind, 1000 - ripe),), 1000 * water - ripe, salt_g, levain_g=2 * ripe)


def yeasted(percent: float, water: float = 0.65, sugar_g: float = 0, **more: float) -> Dough:
    """1 kg of white flour with instant yeast (percent) and so much water (fraction)."""
    return Dough(white(), 1000 * water, 20, sugar_g=sugar_g, instant_yeast_g=10 * percent, **more)


def along(made: Makeup, start_c: float, *path: Stretch, rise: float = 1.0) -> Forecast:
    """A forecast along a path."""
    return forecast(made, start_c, path, (rise,))


def hours(made: Makeup, c: float, rise: float, *, within_h: float = 60) -> float:
    """Likely hours to a rise at a steady warmth; 99 if it is not reached."""
    found = along(made, c, Stretch(within_h, c), rise=rise).targets[0].hours.likely
    return NEVER_H if found is None else found


def rise_at(answer: Forecast, at_h: float) -> float:
    """Likely rise at one time of a forecast."""
    return float(np.interp(at_h, [each.hours for each in answer.curve], [each.rise for each in answer.curve]))


def in_jar(kind: str, water: float, share: float, c: float = 24.0) -> Trace:
    """A culture of one flour, ``share`` of it (fraction) ripe seed, for a day in its jar."""
    jar = jar_of((FlourShare(kind, 100),), 100 * water)
    seed = replace(begin(jar, c), yeast=np.array([share]), bacteria=np.array([share]))
    return run(jar, seed, Leg(24, np.array([c]), "covered_bowl", 150, jar_capacity(jar)), ONE)


def ripe(kind: str, water: float, yeast: float, c: float) -> float:
    """Hours until a yeasted preferment (percent of its flour) is ripe at a steady warmth, mixed at 22 C."""
    jar = jar_of((FlourShare(kind, 100),), 100 * water, yeast)
    leg = Leg(96, np.array([c]), "covered_bowl", 500, jar_capacity(jar))
    return float(preferment_ripe_hours(run(jar, begin(jar, 22), leg, ONE))[0])


def poolish_dough(yeast: float, *path: Stretch) -> Makeup:
    """A dough of 70 % water without yeast of its own, 40 % of its flour in a poolish (yeast: percent of that flour)."""
    one = MixedIn("poolish", white(400), 400, instant_yeast_g=4 * yeast, path=path)
    return whole(Dough(white(600), 300, 20), (one,))


def second_rise() -> float:
    """Time to double once more after a knock-back, over the time to double at first."""
    dough = makeup(yeasted(1))
    first = hours(dough, 25, 1.0)
    answer = along(dough, 25, Stretch(first, 25), Stretch(10, 25, handling="knock_back"))
    again = next(each.hours for each in answer.curve if each.hours > first + 0.2 and each.rise >= 1)
    return (again - first) / first


def _of(made: Callable[[], Makeup], c: float, rise: float) -> Callable[[], float]:
    return lambda: hours(made(), c, rise)


def _hot(share: float, c: float) -> Callable[[], float]:
    return _of(lambda: makeup(at_share(share)), c, 0.75)


def _little(c: float) -> Callable[[], float]:
    return _of(lambda: makeup(levain_dough(20)), c, 0.75)


def _over(one: Dough, other: Dough, c: float) -> Callable[[], float]:
    return lambda: hours(makeup(one), c, 1.0) / hours(makeup(other), c, 1.0)


def _peak(kind: str) -> Callable[[], float]:
    return lambda: 100 * float(in_jar(kind, 1.0, 1 / 3).rise.max())


def _peak_h(kind: str) -> Callable[[], float]:
    def found() -> float:
        trace = in_jar(kind, 1.0, 1 / 3)
        return float(trace.hours[trace.rise[:, 0].argmax()])

    return found


def _cold_ball(flour_g: float, container: str) -> Callable[[], float]:
    dough = Dough(white(flour_g), 0.65 * flour_g, 0.02 * flour_g, instant_yeast_g=0.01 * flour_g)
    cold = Stretch(20, 4, container, place="fridge")
    return lambda: 100 * along(makeup(dough), 24, cold).curve[-1].rise


def _stiff_over_liquid() -> float:
    return float(in_jar("strong_white", 0.5, 0.2).hours_to(1.0)[0] / in_jar("strong_white", 1.0, 0.2).hours_to(1.0)[0])


def _cold_poolish() -> float:
    path = (Stretch(1.5, 21), Stretch(24, 6, place="fridge"))
    return hours(poolish_dough(0.5, *path), 22, 1.0)


def _cold_tin() -> float:
    dough = makeup(Dough(white(500), 325, 10, instant_yeast_g=5))
    bulk = hours(dough, 25, 1.0)
    answer = along(dough, 25, Stretch(bulk, 25), Stretch(12, 4, "tin", place="fridge"))
    return 100 * (answer.curve[-1].rise - rise_at(answer, bulk))


def _without_gluten(kind: str) -> Forecast:
    dough = makeup(Dough((FlourPart(kind, 1000),), 700, 20, instant_yeast_g=10))
    return along(dough, 25, Stretch(6, 25))


def _top(kind: str) -> Callable[[], float]:
    return lambda: 100 * _without_gluten(kind).greatest_rise.rise


def _half_lost(kind: str) -> Callable[[], float]:
    """Minutes from the greatest rise until half of it is lost."""

    def found() -> float:
        answer = _without_gluten(kind)
        top = answer.greatest_rise
        falling = [each for each in answer.curve if each.hours >= top.hours]
        half = np.interp(-top.rise / 2, [-each.rise for each in falling], [each.hours for each in falling])
        return 60 * (float(half) - top.hours)

    return found


def _tiny_yeast() -> float:
    dough = makeup(Dough(white(600), 402, 12, instant_yeast_g=0.72))
    return 100 * along(dough, 24, Stretch(14, 15)).curve[-1].rise


OUTSIDE = (
    Case("levain, 20 % of all flour, 30 C: +75 %", "h", 2.9, 4.3, _hot(0.2, 30), "hot"),
    Case("levain, 20 % of all flour, 32 C: +75 %", "h", 3.2, 5.0, _hot(0.2, 32), "hot"),
    Case("levain, 20 % of all flour, 34 C: +75 %", "h", 3.8, 7.5, _hot(0.2, 34), "hot"),
    Case("levain, 20 % of all flour, 36 C: +75 %", "h", 6, 99.5, _hot(0.2, 36), "hot"),
    Case("levain, 9 % of all flour, 30 C: +75 %", "h", 4.3, 5.8, _little(30), "hot"),
    Case("levain, 9 % of all flour, 32 C: +75 %", "h", 5.3, 8.0, _little(32), "hot"),
    Case("levain, 9 % of all flour, 34 C: +75 %", "h", 7.5, 15, _little(34), "hot"),
    Case("levain, 9 % of all flour, 36 C: +75 %", "h", 14, 99.5, _little(36), "hot"),
    Case(
        "50 % water against 68 %: doubled",
        "times",
        1.10,
        1.45,
        _over(yeasted(0.5, 0.5), yeasted(0.5, 0.68), 25),
        "stiff",
    ),
    Case(
        "80 % water against 68 %: doubled", "times", 0.9, 1.0, _over(yeasted(0.5, 0.8), yeasted(0.5, 0.68), 25), "wet"
    ),
    Case(
        "100 % water against 68 %: doubled", "times", 0.8, 1.1, _over(yeasted(0.5, 1.0), yeasted(0.5, 0.68), 25), "wet"
    ),
    Case(
        "biga, 1 % fresh yeast, 45 % water, 18 C: ripe",
        "h",
        15,
        21,
        lambda: ripe("strong_white", 0.45, 0.33, 18),
        "stiff",
    ),
    Case(
        "biga, 0.5 % instant, 50 % water, 18 C: ripe", "h", 10, 16, lambda: ripe("strong_white", 0.5, 0.5, 18), "stiff"
    ),
    Case("levain of 50 % water against 100 %: doubled", "times", 0.95, 1.5, _stiff_over_liquid, "stiff"),
    Case("whole rye culture 1:1:1, 24 C: peak", "%", 80, 140, _peak("whole_rye"), "rye"),
    Case("whole rye culture 1:1:1, 24 C: peak after", "h", 3, 5.5, _peak_h("whole_rye"), "rye"),
    Case("whole wheat culture 1:1:1, 24 C: peak", "%", 100, 170, _peak("whole_wheat"), "rye"),
    Case(
        "rye sour 1:8, 70 % water, 24 C: ripe by acid", "h", 15, 24, lambda: acid_ripe_h("whole_rye", 0.7, 8, 24), "rye"
    ),
    Case(
        "ripe poolish (0.1 %), 40 % of the flour, 24 C: +10 %",
        "min",
        60,
        110,
        lambda: 60 * hours(poolish_dough(0.1), 24, 0.1),
        "ripe",
    ),
    Case("the same: doubled", "h", 3.6, 5.6, lambda: hours(poolish_dough(0.1), 24, 1.0), "ripe"),
    Case("ripe poolish (0.3 %): doubled", "h", 2.2, 3.6, lambda: hours(poolish_dough(0.3), 24, 1.0), "ripe"),
    Case("cold poolish (0.5 %), 22 C: doubled", "h", 2.5, 5, _cold_poolish, "ripe"),
    Case(
        "10 % sugar against none, 27 C: doubled",
        "times",
        0.95,
        1.3,
        _over(yeasted(1.2, 0.63, 100), yeasted(1.2, 0.63), 27),
        "enriched",
    ),
    Case(
        "20 % sugar against none, 27 C: doubled",
        "times",
        1.6,
        2.6,
        _over(yeasted(1.2, 0.63, 200), yeasted(1.2, 0.63), 27),
        "enriched",
    ),
    Case(
        "30 % sugar against none, 27 C: doubled",
        "times",
        3,
        7,
        _over(yeasted(1.2, 0.63, 300), yeasted(1.2, 0.63), 27),
        "enriched",
    ),
    Case("300 g ball, 1 % instant, 24 C into 4 C: after 20 h", "%", 40, 110, _cold_ball(176, "tray"), "cold"),
    Case("900 g bowl, 1 % instant, 24 C into 4 C: after 20 h", "%", 70, 145, _cold_ball(528, "covered_bowl"), "cold"),
    Case("tin loaf, bulk doubled, then 12 h at 4 C: gains", "%", 15, 45, _cold_tin, "cold"),
    Case("0.12 % instant, dough 24 C, kitchen 15 C: after 14 h", "%", 52, 72, _tiny_yeast, "cold"),
    Case("knock-back after doubling, 25 C: second rise over the first", "times", 0.45, 0.75, second_rise, "handled"),
    Case("maize, 1 % instant, 25 C: greatest rise", "%", 15, 40, _top("maize"), "gluten-free"),
    Case("the same: half of it lost after", "min", 20, 60, _half_lost("maize"), "gluten-free"),
    Case("gluten-free flour, 1 % instant, 25 C: greatest rise", "%", 15, 40, _top("gluten_free"), "gluten-free"),
    Case("the same: half of it lost after", "min", 20, 60, _half_lost("gluten_free"), "gluten-free"),
    Case("5 % instant yeast, 25 C: doubled", "min", 35, 50, lambda: 60 * hours(makeup(yeasted(5)), 25, 1.0), "crowded"),
    Case(
        "1 % active dry yeast, not woken, against woken: doubled",
        "times",
        1.1,
        1.6,
        lambda: _dry(0) / _dry(10),
        "handled",
    ),
)


def _dry(woken_min: float) -> float:
    dough = Dough(white(), 650, 20, active_dry_yeast_g=12, yeast=YeastState(woken_min=woken_min))
    return hours(makeup(dough), 25, 1.0)


LEFT_OUT = {name: (name,) for name in dict.fromkeys(case.condition for case in OUTSIDE)} | {
    "stiff and wet": ("stiff", "wet")
}
"""Conditions by what is left out with them, all at once."""
APART = ("gluten-free",)
"""Conditions that no fit has seen: no constant that is fitted is theirs."""
