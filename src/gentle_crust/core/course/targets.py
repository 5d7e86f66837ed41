"""How far bulk and proof of a dough usually go."""

from typing import TYPE_CHECKING

import numpy as np

from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.targets import bulk_bounds, bulk_rise

if TYPE_CHECKING:
    from gentle_crust.core.course.fill import Batch

USUAL_PROOF_SHARE, USUAL_PROOF_H = 0.35, (0.6, 1.5)
"""A yeasted dough's proof beside its bulk, and the bounds of that, h: bulk leaves so much to come (practice)."""


def usual_rise(batch: "Batch", dough_c: Floats) -> Floats:
    """Rise at which a bulk of this dough is usually stopped, by its temperature then, within its school's bounds."""
    low, high = bulk_bounds(batch.leaven, batch.school)
    wanted: Floats = np.minimum(np.clip(bulk_rise(batch.leaven, dough_c), low, high), 0.5 * batch.holds_bulk)
    return wanted


def least_rise(batch: "Batch") -> float:
    """The least rise at which this dough's bulk is stopped: below it, it has hardly fermented."""
    return min(bulk_bounds(batch.leaven, batch.school)[0], 0.35 * batch.holds_bulk)


def usual_proof_h(bulk_h: float) -> float:
    """What a yeasted dough's proof takes at least, beside a bulk of ``bulk_h``."""
    return float(np.clip(USUAL_PROOF_SHARE * bulk_h, *USUAL_PROOF_H))
