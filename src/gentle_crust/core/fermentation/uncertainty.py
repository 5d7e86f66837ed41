"""How sure a forecast can be: equally likely activities of the leaven, run side by side."""

from dataclasses import dataclass
from functools import cache
from statistics import NormalDist

import numpy as np

from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.tables import constant

ONE: Floats = np.ones(1)


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


def unknown() -> Vigour:
    """A leaven of which nothing is known yet, with what a baker cannot tell: dose, ripeness, dough and room."""
    own = constant("fermentation", "uncertainty", "unknown_culture_sigma")
    return Vigour(1.0, float(np.hypot(own, constant("fermentation", "uncertainty", "untold_sigma"))))


def of_dough(culture: Vigour) -> Vigour:
    """What is believed of a dough raised by a culture whose own vigour is known so well, dose and room aside."""
    untold = constant("fermentation", "uncertainty", "untold_sigma")
    return Vigour(1.0, min(float(np.hypot(culture.sigma, untold)), unknown().sigma))


@cache
def activities(vigour: Vigour | None = None) -> Floats:
    """Equally likely activity factors of a leaven, lowest first, the middle one exactly the likely one."""
    count = int(constant("fermentation", "uncertainty", "factors"))
    believed = unknown() if vigour is None else vigour
    places = (np.arange(count) + 0.5) / count
    normal = NormalDist()
    factors: Floats = believed.likely * np.exp(believed.sigma * np.array([normal.inv_cdf(place) for place in places]))
    return factors


def span(values: Floats) -> Span:
    """Low, likely and high of equally likely values; nan counts as later than all others."""
    ordered = np.sort(np.where(np.isnan(values), np.inf, values))
    low, likely, high = (ordered[round(part * (len(ordered) - 1))] for part in (0.1, 0.5, 0.9))
    return Span(*(None if np.isinf(value) else float(value) for value in (low, likely, high)))


def band(values: Floats) -> tuple[Floats, Floats]:
    """Low and high (10 %, 90 %) along axis 1 of a (time, activity) array, the likely course always between them.

    Past the peak the liveliest dough is no longer the tallest, so the values are put in order first.
    """
    likely = values[:, values.shape[1] // 2]
    ordered = np.sort(values, axis=1)
    last = ordered.shape[1] - 1
    low, high = ordered[:, round(0.1 * last)], ordered[:, round(0.9 * last)]
    return np.minimum(low, likely), np.maximum(high, likely)
