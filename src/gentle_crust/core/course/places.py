"""Where a dough stands, and how warm it is there."""

from collections.abc import Mapping
from dataclasses import dataclass, field

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.ask import Kitchen
from gentle_crust.core.course.folding import Folded
from gentle_crust.core.course.method import Place
from gentle_crust.core.fermentation.dough import Makeup
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.uncertainty import ONE, Vigour, spread

SHELF_K = {"top": 2.0, "middle": 0.0, "bottom": -1.0}
"""A fridge's shelves against its middle, K (practice)."""
OVEN_OFF_C, PROOFER_C, OUTDOORS_C = 26.0, 26.0, 8.0
"""An oven that is off, its lamp or a bowl of hot water in it; a proofer that nobody set; out of doors (practice)."""


@dataclass(frozen=True)
class Ground:
    """Where a course goes on: kitchen and clock, what the dough leaves the bowl with (C), activities of its leaven.

    ``folded``: folds so far, by the ids of stages that are under way.
    """

    kitchen: Kitchen
    clock: Clock
    dough_c: float
    factors: Floats = field(default_factory=lambda: ONE)
    sigma: float = 0.0
    """Spread of ln activity of which ``factors`` are equally likely samples; 0 if they are not."""
    folded: Mapping[str, Folded] = field(default_factory=dict)

    def air_c(self, place: Place, at: Floats, since: float) -> Floats:
        """Warmth around a dough at times ``at`` (hours from the clock's origin) of a stage that began at ``since``."""
        name, kitchen = place.name, self.kitchen
        if name == "room":
            return self.clock.room_c(at)
        if name == "path":
            ends = np.cumsum([hours for hours, _ in place.path])
            warmth = np.array([ambient for _, ambient in place.path])
            found: Floats = warmth[np.minimum(np.searchsorted(ends, at - since), len(warmth) - 1)]
            return found
        return np.full(len(at), steady_c(place, kitchen, self.dough_c))

    def in_fridge(self, place: Place, at: float) -> bool:
        """Whether the dough stands in the fridge at a time: there by its method, or put there."""
        if place.name != "room":
            return place.name == "fridge"
        when, cold = self.clock.at(at), False
        for stand in self.clock.stands:
            if stand.start <= when and (stand.end is None or when < stand.end):
                cold = stand.ambient_c == self.kitchen.room.fridge_c
        return cold

    def activities(self, makeup: Makeup, air_c: Floats, fridge: bool) -> Floats:
        """Activities of the leaven for a stage: further apart where its warmth is less sure."""
        return spread(self.factors, Vigour(1.0, self.sigma), makeup, float(air_c.mean()), fridge)


def steady_c(place: Place, kitchen: Kitchen, dough_c: float) -> float:
    """Warmth of a place that is as warm by day as by night, C."""
    if place.name == "fridge":
        return kitchen.room.fridge_c + SHELF_K[place.shelf]
    if place.name == "proofer":
        return PROOFER_C if kitchen.proofer_c is None else kitchen.proofer_c
    if place.name == "outdoors":
        return OUTDOORS_C if kitchen.outdoors_c is None else kitchen.outdoors_c
    return dough_c if place.name == "bath" else OVEN_OFF_C
