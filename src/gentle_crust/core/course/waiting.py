"""A stage that waits: a dough left to itself for so long, or until something."""

from dataclasses import dataclass

import numpy as np

from gentle_crust.core.course.fill import Batch, Filled
from gentle_crust.core.course.folding import folds_awake, folds_h, folds_on
from gentle_crust.core.course.places import Ground
from gentle_crust.core.course.standing import Standing
from gentle_crust.core.fermentation.engine import Leg, State, Trace, run
from gentle_crust.core.fermentation.temperature import Shape

LONGEST_H = 120.0
"""So long a dough is followed for its rise or its proof."""
STEPS_H = ((4.0, 1 / 12), (12.0, 1 / 6), (24.0, 1 / 4), (48.0, 1 / 2), (LONGEST_H, 1.0))
"""How far a dough is followed, and in which steps: the same steps whatever was thought of it before."""
STEPS = ((0.0, *(within for within, _ in STEPS_H)), (0.0, *(within / step for within, step in STEPS_H)))
"""Hours, and in how many steps a dough is followed so long: no hour more makes them much longer at once."""
FURTHER = 1.4
"""So much further than it takes a dough is followed: what it does after is looked at, too."""


@dataclass(frozen=True)
class Waiting:
    """A stage that waits, as it begins."""

    ground: Ground
    batch: Batch
    each: Filled
    now: Standing
    state: State
    holds: float

    def run(self, hours: float, folds: tuple[float, ...] | None = None) -> Trace:
        """The dough for so long; folded as it is wished if ``folds`` (hours into the stage) are not given."""
        steps = max(int(np.ceil(np.interp(hours, *STEPS) - 1e-6)), 2)
        middles = self.now.at + (np.arange(steps) + 0.5) * hours / steps
        air = self.ground.air_c(self.each.place, middles, self.now.at)
        wished = self.folds(None) if folds is None else folds
        fridge = self.ground.in_fridge(self.each.place, self.now.at)
        leg = Leg(hours, air, self.container, self.now.piece_g, self.holds, wished, fridge, self.shape)
        factors = self.ground.activities(self.batch.makeup, air, fridge)
        return run(self.batch.makeup, self.state, leg, factors)

    def folds(self, hours: float | None) -> tuple[float, ...]:
        """When it is folded, hours into it, if it lasts so long (None: long enough); filled folds when one is awake."""
        so_far, wished = self.ground.folded.get(self.each.id), self.each.stage.folds or ()
        if so_far is not None:
            return folds_on(so_far, folds_h(wished, None), self.now.at, hours)
        found = folds_h(wished, hours)
        return folds_awake(self.ground.clock, self.now.at, found) if "folds" in dict(self.each.why) else found

    @property
    def shape(self) -> Shape:
        """Whether it lies there as a ball or as a stick, which cools and warms sooner."""
        return "stick" if self.now.shaped and self.batch.formula.shape == "baguette" else "ball"

    @property
    def container(self) -> str:
        """What the dough stands in."""
        if self.each.stage.container:
            return self.each.stage.container
        if not self.now.shaped:
            divided = self.now.piece_g < 0.9 * self.batch.dough_g or self.each.kind == "bench_rest"
            return "tray" if divided else "covered_bowl"
        shape = self.batch.formula.shape
        return {"pan_loaf": "tin", "baguette": "couche", "slipper": "couche", "flat_round": "tray", "roll": "tray"}.get(
            shape, "banneton"
        )


def followed_h(about_h: float) -> float:
    """How far a dough is followed that takes about so long, h."""
    return next((within for within, _ in STEPS_H if within > FURTHER * about_h), LONGEST_H)
