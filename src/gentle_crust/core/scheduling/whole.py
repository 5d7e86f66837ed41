"""One dough's whole course, worked out: what the ladder, the ribbon and the problems are all drawn from."""

from dataclasses import dataclass

import numpy as np

from gentle_crust.core.fermentation.engine import Trace
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.targets import share_of_greatest
from gentle_crust.core.fermentation.uncertainty import Span
from gentle_crust.core.leaven.ripening import Ripening
from gentle_crust.core.scheduling.course import FOLDS_NEED_H, Recipe, Shaped
from gentle_crust.core.scheduling.solve import Times, rise_at_bulk_end

SOAKS_H = (2.0, 18.0)
USUAL_SOAK_H = 4.0
OLD_DOUGH_WARMS_H = 1.0
"""How long grains soak, and old dough warms, before the mixing (practice)."""


@dataclass(frozen=True)
class Course:
    """A dough's course for every activity; spans and times in hours from the clock's origin."""

    recipe: Recipe
    times: Times
    ripenings: tuple[Ripening, ...]
    bulk: Trace
    shaped: Shaped
    proof: Trace
    bulk_span: Span
    """When the rise of the end of bulk is reached."""
    load_span: Span
    """When the proof of the loading time is reached, if all went by the clock until it began."""

    @property
    def folds(self) -> tuple[float, ...]:
        """Times of the folds that fall within bulk."""
        times = (self.times.mix + fold for fold in self.recipe.fold_times_h)
        return tuple(fold for fold in times if fold < self.times.bulk_end - FOLDS_NEED_H)

    @property
    def bulk_rise(self) -> float:
        """Rise of the likely dough when bulk is stopped."""
        return rise_at_bulk_end(self.recipe, self.bulk.at(self.times.bulk_end - self.times.mix))

    @property
    def shares(self) -> Floats:
        """Volume over the greatest volume through the proof; shape (time, activity)."""
        return share_of_greatest(self.proof.rise, self.recipe.holds_shaped)

    def likely_share(self, hours: float) -> float:
        """The likely dough's share of its greatest volume, ``hours`` into the proof."""
        shares = self.shares
        return float(np.interp(hours, self.proof.hours, shares[:, shares.shape[1] // 2]))

    @property
    def autolyse(self) -> float | None:
        """When flour and water are stirred together; None without a rest."""
        minutes = self.recipe.wish.formula.autolyse_min
        return self.times.mix - minutes / 60 if minutes else None

    @property
    def soaked(self) -> float:
        """When soakers are set and scalds poured: with the last build if that suits, else four hours before mixing."""
        before = self.times.mix if self.autolyse is None else self.autolyse
        builds = [each.start for each in self.ripenings if SOAKS_H[0] <= before - each.start <= SOAKS_H[1]]
        return max(builds) if builds else before - USUAL_SOAK_H

    @property
    def old_dough_out(self) -> float:
        """When a piece of old dough comes out of the fridge."""
        return self.times.mix - OLD_DOUGH_WARMS_H
