"""How hungry a culture is once it has eaten its feed, what that costs it, and how many feeds wake it again.

Hunger is counted in hours at 24 C past ripeness: in a cold place they pass slower, as gas making does.
"""

from math import ceil, exp, log

import numpy as np

from gentle_crust.core.fermentation import rates
from gentle_crust.core.fermentation.rates import Floats

USUAL_C = 24.0
HUNGRY_H = 14.0
"""From here on it wants a feed before anything is built from it: a day on the counter, twelve days cold (practice)."""
FADES_H = 60.0
"""Beyond that, its strength fades with this time constant (practice)."""
WEAKEST = 0.15
"""A culture is never quite dead of hunger (practice)."""
LEFT_BY_FEED = 0.4
"""Part of its weakness that a feed, eaten up, leaves behind: two or three feeds wake it (practice)."""
AWAKE = 0.9
"""Strength from which a culture is as good as ever."""
DRIED = 0.3
"""Strength of a dried culture when it is soaked (practice)."""


def pace_of(temperature_c: Floats) -> Floats:
    """How fast hunger grows, relative to 24 C."""
    return rates.levain_gas_per_h(temperature_c) / float(rates.levain_gas_per_h(np.array(USUAL_C)))


def weakened(strength: float, hunger_h: float) -> float:
    """Strength (1 is full) after ``hunger_h`` hours of hunger at 24 C."""
    return max(strength * exp(-max(hunger_h - HUNGRY_H, 0.0) / FADES_H), WEAKEST)


def recovered(strength: float, eaten: float = 1.0) -> float:
    """Strength after a feed of which ``eaten`` (0-1) was eaten before the next."""
    return 1 - (1 - strength) * (1 - (1 - LEFT_BY_FEED) * min(max(eaten, 0.0), 1.0))


def feeds_to_wake(strength: float) -> int:
    """Feeds, each left until it is ripe, until the culture is awake again; 0 if it is."""
    if strength >= AWAKE:
        return 0
    return ceil(log((1 - AWAKE) / (1 - strength)) / log(LEFT_BY_FEED) - 1e-9)
