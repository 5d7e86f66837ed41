"""How gluten tires: stretched to its end, by age and warmth, by acid; weak flour sooner."""

from functools import lru_cache

import numpy as np

from gentle_crust.core.fermentation.dough import Makeup
from gentle_crust.core.fermentation.stepping import Wear
from gentle_crust.core.tables import constant


def _of(name: str) -> float:
    return constant("fermentation", "gluten", name)


def wear_of(makeup: Makeup) -> Wear:
    """How fast a dough loses what holds its gas.

    Returns
    -------
    Rates per hour at 24 C: of gluten stretched to its end (times the eighth power of the fullness), by age, and by the
    acid of a ripe levain's bacteria; the last two grow by 8 % a kelvin. All are as much faster as the flour is weaker:
    exp(3.9 (1 - strength)), strength 1 for a strong white flour; the walls of a jar halve the first (practice).
    What wears is what the dough *could* hold: d(sound)/dt = -rate x sound.
    """
    return _wear(round(makeup.strength, 4), makeup.in_jar)


@lru_cache(maxsize=256)
def _wear(strength: float, in_jar: bool) -> Wear:
    weak = float(np.exp(_of("weak_wears") * max(1 - strength, -0.1)))
    return Wear(
        overfull=_of("overfull_per_h") * weak * (_of("wears_in_jar") if in_jar else 1.0),
        aged=_of("aged_per_h") * min(weak, 4.0),
        acid=_of("acid_per_h") * min(weak, 4.0),
        per_k=_of("aged_per_k"),
    )
