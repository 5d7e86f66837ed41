"""What a way of mixing adds to a dough's temperature, learnt from doughs that were measured."""

from dataclasses import dataclass

from gentle_crust.core.errors import within
from gentle_crust.core.limits import Limit
from gentle_crust.core.water.mixing import friction_of

MEASURED_K = 1.0
"""Standard deviation of one measured friction: thermometer, flour and room taken together (practice)."""
USUAL_SPREAD_K = {
    "spoon": 0.4,
    "folds": 0.4,
    "hand_kneading": 0.8,
    "slap_and_fold": 0.8,
    "planetary_mixer": 1.5,
    "spiral_mixer": 1.5,
    "processor": 2.5,
}
"""How much ways of mixing differ from kitchen to kitchen, K (practice)."""
BELIEVED_K = (-4.0, 30.0)


@dataclass(frozen=True)
class Friction:
    """``k`` as it is believed now, the table's ``usual_k``, and the number of measured mixes it rests on."""

    mixing: str
    k: float
    usual_k: float
    mixes: int


def learnt(mixing: str, measured_k: tuple[float, ...]) -> Friction:
    """Mean of the measured frictions, drawn towards the table's: the fewer the mixes, the more.

    The weight of the table is that of (noise / spread)^2 mixes.

    Parameters
    ----------
    mixing : way of mixing, of the table of frictions
    measured_k : frictions that were measured, K

    Returns
    -------
    K, and on how many mixes it rests.
    """
    usual = friction_of(mixing)
    weight = (MEASURED_K / USUAL_SPREAD_K[mixing]) ** 2
    k = (weight * usual + sum(measured_k)) / (weight + len(measured_k))
    return Friction(mixing, k, usual, len(measured_k))


def check_measured(friction_k: float) -> float:
    """Refuse a measured friction that no mixing gives: one of the temperatures must be wrong.

    Parameters
    ----------
    friction_k : what a mixing added, K

    Returns
    -------
    The same figure, K; CraftError for one that is refused.
    """
    low, high = BELIEVED_K
    return within("dough_c", Limit("warming-by-mixing-that-this-dough-tells-of", low, high, "K"), round(friction_k, 1))
