"""A levain built from seed: how much of each, and how long until it is ripe."""

from dataclasses import dataclass, replace

import numpy as np

from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.crossing import crossings
from gentle_crust.core.fermentation.dough import Makeup, makeup_of, with_preferment
from gentle_crust.core.fermentation.engine import State, Trace, begin, food
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.formula.model import FlourShare, Formula, Preferment

RIPE_SHARE_OF_PEAK = 0.85
"""A levain is ripe from this share of its greatest rise on, still domed (practice)."""
RIPE_YEAST = 0.70
"""And not before its yeast has grown to this share of what its flour carries: weak flours rise early (tuned)."""
SPENT_SHARE_OF_GAS = 0.45
"""Past it: gas making has fallen to this share of its best (practice)."""
SEED_YEAST = 0.6
"""A culture is a good seed for a levain from this share on, a little before it is ripe (practice)."""
JAR_LOSS = 0.03
JAR_LOSS_LEAST_G = 5.0


@dataclass(frozen=True)
class Build:
    """Grams of seed, flour and water, fed 1 : ``ratio`` : ``ratio`` x hydration by weight."""

    ratio: float
    seed_g: float
    flour_g: float
    water_g: float

    @property
    def g(self) -> float:
        """What the jar then holds."""
        return self.seed_g + self.flour_g + self.water_g


def build(needed_g: float, kept_g: float, ratio: float, hydration: float) -> Build:
    """Seed, flour and water for ``needed_g`` to use and ``kept_g`` to keep, with what sticks to the jar."""
    total = needed_g + kept_g
    total += max(JAR_LOSS * total, JAR_LOSS_LEAST_G)
    seed = total / (1 + ratio * (1 + hydration))
    return Build(ratio, seed, seed * ratio, seed * ratio * hydration)


def seed_share(ratio: float, hydration: float) -> float:
    """Share of a build's flour that the seed brings."""
    seed_flour = 1 / (1 + hydration)
    return seed_flour / (seed_flour + ratio)


def jar_makeup(formula: Formula, one: Preferment, strength: float = 1.0) -> Makeup:
    """A levain or yeasted preferment of a formula as a dough without salt; its seed is set by :func:`fed`.

    ``strength`` of its dry yeast beside fresh stock.
    """
    share = formula.flour(one.flour_kind)
    flour = FlourShare(one.flour_kind, 100) if share is None else replace(share, percent=100)
    return jar_of((flour,), one.hydration_percent, 0.0 if one.kind == "levain" else strength * one.yeast_percent)


def jar_of(
    flours: tuple[FlourShare, ...], hydration_percent: float, yeast_percent: float = 0.0, salt_percent: float = 0.0
) -> Makeup:
    """Flour and water in a jar: a culture, or a preferment with instant yeast, as its fermentation sees it."""
    dough = makeup_of(Formula("jar", flours, hydration_percent, salt_percent, "boule", (), (), yeast_percent))
    return replace(dough, in_jar=True)


def fed(jar: Makeup, start_c: float, ratios: tuple[float, ...]) -> State:
    """Just-fed levains side by side, one column a ratio."""
    state = begin(jar, start_c, len(ratios))
    seed = np.array([seed_share(ratio, jar.hydration) for ratio in ratios])
    return replace(state, yeast=seed, bacteria=seed.copy())


def jar_capacity(jar: Makeup) -> float:
    """Greatest rise in the jar."""
    return greatest_rise(jar, "culture")


def ripe_hours(trace: Trace) -> Floats:
    """Hours at which each column of a levain's trace is ripe: near its greatest rise, its yeast grown."""
    risen = crossings(trace.hours, trace.rise / np.maximum(trace.rise.max(axis=0), 1e-9), RIPE_SHARE_OF_PEAK)
    grown = crossings(trace.hours, trace.yeast, RIPE_YEAST)
    later: Floats = np.maximum(risen, grown)
    return later


def strength_of(trace: Trace) -> Floats:
    """How strongly it would make gas at one warmth, by time and column: its cells, as far as they find food."""
    strength: Floats = (trace.yeast + trace.bakers_yeast_g) * food(trace.made_ml)
    return strength


def spent_hours(trace: Trace) -> Floats:
    """Hours at which each column is past it; nan if not within the trace."""
    strength = strength_of(trace)
    share = strength / strength.max(axis=0)
    before_best = np.arange(len(strength))[:, None] < strength.argmax(axis=0)
    return crossings(trace.hours, np.where(before_best, -2.0, -share), -SPENT_SHARE_OF_GAS)


def preferment_ripe_hours(trace: Trace) -> Floats:
    """Hours at which each column of a yeasted preferment is ripe: its gas making passes its best, the dome flattens.

    Taken at equal temperature, so that a cooling night is not mistaken for ripeness.
    """
    strength = trace.bakers_yeast_g * food(trace.made_ml)
    best = np.clip(strength.argmax(axis=0), 1, len(trace.hours) - 2)
    columns = np.arange(strength.shape[1])
    before, top, after = (strength[best + shift, columns] for shift in (-1, 0, 1))
    bend = np.minimum(before - 2 * top + after, -1e-12)
    shift = np.clip((before - after) / (2 * bend), -1, 1)
    ripe: Floats = trace.hours[best] + shift * (trace.hours[1] - trace.hours[0])
    return ripe


def preferment_in_dough(makeup_: Makeup, preferment: State, flour_share: float, hydration: float) -> Makeup:
    """A dough's makeup once a yeasted preferment (``flour_share`` of all flour) is in it, with its grown yeast.

    ``hydration`` of the preferment, a fraction.
    """
    column = len(preferment.made_ml) // 2
    yeast, made = (float(values[column]) for values in (preferment.bakers_yeast_g, preferment.made_ml))
    return with_preferment(makeup_, flour_share * yeast, flour_share * made, 100 * flour_share * hydration)
