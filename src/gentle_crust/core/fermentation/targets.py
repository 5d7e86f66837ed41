"""How far to let bulk and proof go."""

from dataclasses import dataclass
from typing import Literal

import numpy as np

from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.rates import Floats

School = Literal["by_dough", "early_cold", "classic", "doubled", "wet_far"]
SCHOOLS: dict[str, tuple[float, float]] = {
    "early_cold": (0.25, 0.40),
    "classic": (0.50, 0.75),
    "doubled": (0.95, 1.05),
    "wet_far": (1.10, 1.60),
}
"""Rises between which each school stops bulk (practice)."""
BULK_RISE_BOUNDS = {"levain": (0.25, 1.0), "yeast": (0.3, 1.5)}
"""The same if the dough decides: so that the whole way to the oven comes out right (practice)."""


def bulk_bounds(leaven: str, school: str) -> tuple[float, float]:
    """Least and greatest rise at which bulk may be stopped.

    Parameters
    ----------
    leaven : what raises it: levain, yeast or mixed
    school : where bulk is stopped: early, usual or late

    Returns
    -------
    Least and greatest rise, fractions (practice).
    """
    return SCHOOLS[school] if school in SCHOOLS else BULK_RISE_BOUNDS[leaven]


PROOF_TARGETS = {
    "stone": (0.78, 0.85),
    "hot_pot": (0.80, 0.86),
    "cold_start": (0.75, 0.80),
    "tin": (0.88, 0.93),
    "tray": (0.86, 0.92),
}
"""Volume over the greatest volume the shaped dough can reach, at loading, by what it is baked in (practice)."""

FROM_FRIDGE = {"tin": (0.78, 0.88), "tray": (0.76, 0.86)}
FROM_FRIDGE_ELSE = (0.72, 0.82)


@dataclass(frozen=True)
class ShareTarget:
    """Share of the dough's greatest volume at which it should meet the oven."""

    low: float
    high: float

    @property
    def aim(self) -> float:
        """The middle of the target."""
        return (self.low + self.high) / 2


def bulk_rise(leaven: str, dough_c: Floats) -> Floats:
    """Default rise at which bulk ends, by the dough's temperature then.

    Warm dough stops earlier: it goes on fermenting while it cools and is shaped. Yeasted dough doubles.

    Parameters
    ----------
    leaven : what raises it: levain, yeast or mixed
    dough_c : temperature of the dough, C, 0-43

    Returns
    -------
    Rise, a fraction (practice).
    """
    if leaven == "levain":
        return np.interp(dough_c, [16, 18, 21, 24, 27, 30], [0.90, 0.85, 0.75, 0.55, 0.40, 0.35])
    return np.full_like(dough_c, 1.0)


def proof_target(vessel: str, cold: bool | float) -> ShareTarget:
    """The proof target for one of stone, hot_pot, cold_start, tin, tray; lower straight from the fridge.

    ``cold``: whether, or how far (0-1), it comes from the fridge.

    Parameters
    ----------
    vessel : a vessel of the kitchen, or its kind in the table of vessels
    cold : whether it comes straight from the fridge

    Returns
    -------
    Shares of the greatest volume, low, likely and high (practice).
    """
    if vessel not in PROOF_TARGETS:
        raise CraftError("vessel", "fermentation-no-proof-target", vessel=vessel, names=tuple(PROOF_TARGETS))
    part, chilled, warm = float(cold), FROM_FRIDGE.get(vessel, FROM_FRIDGE_ELSE), PROOF_TARGETS[vessel]
    return ShareTarget(*(part * one + (1 - part) * other for one, other in zip(chilled, warm, strict=True)))


def share_of_greatest(rise: Floats, greatest: float) -> Floats:
    """Volume now over the greatest volume: (1 + rise) / (1 + greatest rise).

    Parameters
    ----------
    rise : growth over the gas-free volume, a fraction, 0-4
    greatest : greatest rise, a fraction

    Returns
    -------
    A share, 0-1.
    """
    result: Floats = (1 + rise) / (1 + greatest)
    return result
