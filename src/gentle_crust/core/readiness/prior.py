"""What the forecast alone says of a dough's readiness: each state's probability before anybody looks."""

import itertools
from dataclasses import dataclass
from statistics import NormalDist

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, Unreadable, within
from gentle_crust.core.fermentation.targets import ShareTarget, proof_target
from gentle_crust.core.oven.equipment import vessel_row
from gentle_crust.core.readiness.cues import STAGES, Likelihood, Stage

WIDER = 3.0
FAR_OFF, MISTAKEN = 0.34, 0.02
"""Part of forecasts that are off by ``WIDER`` than they think, and part that are simply wrong: so that the dough can
have its say, and a little off stays likelier than quite wrong (practice)."""
ANY: Likelihood = (0.23, 0.29, 0.29, 0.12, 0.07)
"""Of a dough that nobody has forecast (practice)."""
PAST_PEAK: Likelihood = (0.002, 0.003, 0.015, 0.45, 0.53)
"""Of a dough that stood higher before (practice)."""
NEARLY_BELOW = {"bulk": 0.065}
NEARLY_BELOW_ELSE, LATE_ABOVE, EDGE = 0.12, 0.105, 0.002
"""Shares of greatest volume: how far below its target a dough is nearly ready, and above it late (practice)."""
NOT_OVER_BELOW, OVER_FROM = 0.94, 0.985
"""A shaped dough below the first has not gone over, whatever it is baked in; above the second it has (practice)."""
BULK_TARGET = ShareTarget(0.44, 0.60)
"""Bulk of a strong dough from half risen to doubled, as a share of the greatest volume that its bowl ever sees."""
RIPE_TARGET = ShareTarget(0.86, 1.0)
"""A culture or preferment is ripe near its greatest height."""
SPREAD_OF_80 = 2 * NormalDist().inv_cdf(0.9)


@dataclass(frozen=True)
class ShareBand:
    """Share of greatest volume, low (10 %), likely and high (90 %)."""

    low: float
    likely: float
    high: float


def target_of(stage: Stage, vessel: str | None, cold: bool | float) -> ShareTarget:
    """The share of greatest volume at which a stage ends; for the final proof by ``vessel`` (the stone if none).

    Parameters
    ----------
    stage : name of a stage
    vessel : a vessel of the kitchen, or its kind in the table of vessels
    cold : whether it comes straight from the fridge

    Returns
    -------
    Shares of the greatest volume, low, likely and high.
    """
    if stage == "final_proof":
        return proof_target(vessel_row(vessel)["proof_group"] if vessel else "stone", cold)
    return BULK_TARGET if stage == "bulk" else RIPE_TARGET


def bounds(stage: Stage, target: ShareTarget) -> tuple[float, float, float, float]:
    """Shares between early, nearly, ready, late and over.

    Parameters
    ----------
    stage : name of a stage
    target : what is aimed at, as the state of the stage is measured

    Returns
    -------
    Four shares.
    """
    over = target.high + EDGE + LATE_ABOVE
    if stage == "final_proof":
        over = min(max(over, NOT_OVER_BELOW), OVER_FROM)
    nearly = target.low - NEARLY_BELOW.get(stage, NEARLY_BELOW_ELSE)
    return (nearly, target.low - EDGE, min(target.high + EDGE, over - EDGE), over)


def check_band(band: ShareBand) -> None:
    """Raise CraftError for a band that is none.

    Parameters
    ----------
    band : share of the greatest volume, low, likely and high (10, 50 and 90 %)

    Returns
    -------
    Nothing; CraftError for what is refused.
    """
    for name in ("low", "likely", "high"):
        within(f"forecast_share_of_greatest.{name}", limits.SHARE_OF_GREATEST, getattr(band, name))
    if not band.low <= band.likely <= band.high:
        raise CraftError("forecast_share_of_greatest", "readiness-band-not-in-order")


def prior(stage: Stage, band: ShareBand | None, target: ShareTarget, past_peak: bool | None) -> Likelihood:
    """Probability of each state by the forecast alone.

    Parameters
    ----------
    stage : name of a stage
    band : share of the greatest volume, low, likely and high (10, 50 and 90 %)
    target : what is aimed at, as the state of the stage is measured
    past_peak : whether it stood higher before; none if that is not known

    Returns
    -------
    Probabilities that sum to 1.
    """
    if stage not in STAGES:
        raise Unreadable("stage", "readiness-stage-unknown", stage=stage, names=tuple(STAGES))
    if past_peak:
        return PAST_PEAK
    if band is None or stage in ("gluten", "baked"):
        return ANY
    sigma = max((band.high - band.low) / SPREAD_OF_80, 0.02)
    near, far = (_between(NormalDist(band.likely, spread), stage, target) for spread in (sigma, WIDER * sigma))
    parts = (1 - FAR_OFF - MISTAKEN, FAR_OFF, MISTAKEN)
    mixed = [
        sum(part * each for part, each in zip(parts, row, strict=True)) for row in zip(near, far, ANY, strict=True)
    ]
    return (mixed[0], mixed[1], mixed[2], mixed[3], mixed[4])


def _between(normal: NormalDist, stage: Stage, target: ShareTarget) -> list[float]:
    below = [0.0, *(normal.cdf(bound) for bound in bounds(stage, target)), 1.0]
    return [upper - lower for lower, upper in itertools.pairwise(below)]
