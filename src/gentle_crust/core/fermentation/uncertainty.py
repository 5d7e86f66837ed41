"""How sure a forecast can be: equally likely activities of the leaven, run side by side."""

from dataclasses import dataclass
from functools import cache
from statistics import NormalDist

import numpy as np

from gentle_crust.core.fermentation.dough import Makeup
from gentle_crust.core.fermentation.rates import Floats, bakers_yeast_gassing, levain_gas_per_h
from gentle_crust.core.tables import constant

ONE: Floats = np.ones(1)
LEVAIN_AS_YEAST = 0.6
"""Instant yeast, percent of all flour, that makes as much gas in a room as a ripe levain for all of it (tuned)."""
HEAT_FROM_C = 28.0
"""From this warmth on it is less sure what a culture bears (practice)."""


@dataclass(frozen=True)
class Span:
    """Low (10 %), likely (50 %) and high (90 %); None where the path ends before it comes to that."""

    low: float | None
    likely: float | None
    high: float | None


@dataclass(frozen=True)
class Vigour:
    """What is believed of a leaven's activity: the likely factor (1 is usual) and the spread of its logarithm."""

    likely: float
    sigma: float


def _of(name: str) -> float:
    return constant("fermentation", "uncertainty", name)


def unknown() -> Vigour:
    """A culture of which nothing is known yet, with what a baker cannot tell: dose, ripeness, dough and room."""
    return Vigour(1.0, float(np.hypot(_of("unknown_culture_sigma"), _of("untold_sigma"))))


def bought() -> Vigour:
    """Baker's yeast: what is bought is much alike."""
    return Vigour(1.0, _of("bakers_yeast_sigma"))


def of_leaven(makeup: Makeup) -> Vigour:
    """What is believed of a dough's leaven before anything was seen of it: bought yeast, an unknown culture, or both.

    Of both, each counts by the gas that it makes in a room.

    Parameters
    ----------
    makeup : the dough per 100 g of its flour

    Returns
    -------
    The belief: sigma .10 for yeast, .40 for an unknown culture (log of the factor).
    """
    share = _wild(makeup)
    return Vigour(1.0, share * unknown().sigma + (1 - share) * bought().sigma)


def _wild(makeup: Makeup) -> float:
    """Share of a dough's first gas that its levain makes, 0-1."""
    wild = makeup.levain_yeast * LEVAIN_AS_YEAST
    return wild / (wild + makeup.yeast_percent) if wild > 0 else 0.0


def of_dough(culture: Vigour) -> Vigour:
    """What is believed of a dough raised by a culture whose own vigour is known so well, dose and room aside.

    Parameters
    ----------
    culture : what is believed of the culture itself

    Returns
    -------
    The belief, dose and room added.
    """
    return Vigour(1.0, min(float(np.hypot(culture.sigma, _of("untold_sigma"))), unknown().sigma))


def spread(factors: Floats, belief: Vigour, makeup: Makeup, ambient_c: float, fridge: bool) -> Floats:
    """Activities for a stretch in which less is sure: a fridge's warmth, and what heat a culture bears.

    Parameters
    ----------
    factors : equally likely activities of ``belief``, lowest first.
    ambient_c : warmth of the stretch [C]; ``fridge``: whether that is a fridge's, known to about 2 K.

    Returns
    -------
    The same with the spread that belief has there: the warmth's error goes through d ln(rate)/dT.
    """
    more = _unsure_by_place(makeup, ambient_c) if fridge else 0.0
    if _wild(makeup) > 0.5 and ambient_c > HEAT_FROM_C:
        more = float(np.hypot(more, _of("heat_sigma_per_k") * (ambient_c - HEAT_FROM_C)))
    if not more or belief.sigma <= 0:
        return factors
    wider = float(np.hypot(belief.sigma, more)) / belief.sigma
    result: Floats = belief.likely * (factors / belief.likely) ** wider
    return result


def _unsure_by_place(makeup: Makeup, ambient_c: float) -> float:
    """Standard deviation of ln(rate) in a fridge whose warmth is not quite what it is said to be."""
    rate = levain_gas_per_h if _wild(makeup) > 0.5 else bakers_yeast_gassing
    low, high = np.log(rate(np.array([ambient_c - 1.0, ambient_c + 1.0])))
    return float(high - low) / 2 * _of("fridge_k") / NormalDist().inv_cdf(0.9)


@cache
def activities(vigour: Vigour | None = None) -> Floats:
    """Equally likely activity factors of a leaven, lowest first, the middle one exactly the likely one.

    Parameters
    ----------
    vigour : what is believed of the leaven's pace: likely factor, spread, shares weak and dead

    Returns
    -------
    Factors, growing, the middle one the likely.
    """
    count = int(constant("fermentation", "uncertainty", "factors"))
    believed = unknown() if vigour is None else vigour
    places = (np.arange(count) + 0.5) / count
    normal = NormalDist()
    factors: Floats = believed.likely * np.exp(believed.sigma * np.array([normal.inv_cdf(place) for place in places]))
    return factors


def span(values: Floats) -> Span:
    """Low, likely and high of equally likely values; nan counts as later than all others.

    Parameters
    ----------
    values : values by time (rows) and activity (columns)

    Returns
    -------
    Low, likely and high.
    """
    ordered = np.sort(np.where(np.isnan(values), np.inf, values))
    low, likely, high = (ordered[round(part * (len(ordered) - 1))] for part in (0.1, 0.5, 0.9))
    return Span(*(None if np.isinf(value) else float(value) for value in (low, likely, high)))


def band(values: Floats) -> tuple[Floats, Floats]:
    """Low and high (10 %, 90 %) along axis 1 of a (time, activity) array, the likely course always between them.

    Past the peak the liveliest dough is no longer the tallest, so the values are put in order first.

    Parameters
    ----------
    values : values by time (rows) and activity (columns)

    Returns
    -------
    Two courses, as long as the values.
    """
    likely = values[:, values.shape[1] // 2]
    ordered = np.sort(values, axis=1)
    last = ordered.shape[1] - 1
    low, high = ordered[:, round(0.1 * last)], ordered[:, round(0.9 * last)]
    return np.minimum(low, likely), np.maximum(high, likely)
