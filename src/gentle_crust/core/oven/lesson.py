"""What was measured of a bake, what it tells of its oven, and what all such lessons come to: as data."""

from dataclasses import dataclass
from typing import Literal

Sign = Literal["core", "colour", "loss"]
OVENS_DIFFER_K, PACES_DIFFER = 12.0, 0.12
"""Standard deviations over home ovens: of their heat beside the dial, K, and of ln pace (practice)."""


@dataclass(frozen=True)
class Seen:
    """What was measured of a loaf: core C (at a minute of the bake), colour 0-100 and loss (share) as it came out."""

    core_c: float | None = None
    core_min: float | None = None
    """When the core was measured; none: as it came out."""
    colour: float | None = None
    loss: float | None = None

    @property
    def empty(self) -> bool:
        """Whether nothing was measured."""
        return self.core_c is None and self.colour is None and self.loss is None


@dataclass(frozen=True)
class SignTold:
    """One sign of a bake: as it was foretold for the oven as it is described, and as it was seen."""

    sign: Sign
    foretold: float
    seen: float


@dataclass(frozen=True)
class Lesson:
    """What one bake tells, as equations that add up over bakes: ``heat`` and ``pace`` the pull on each, in K and in
    ln pace over their variance; the others how surely. ``offset_k`` is what the oven was taken for then."""

    told: tuple[SignTold, ...]
    heat: float
    pace: float
    heat_heat: float
    heat_pace: float
    pace_pace: float
    offset_k: float = 0.0


@dataclass(frozen=True)
class OvenLearnt:
    """What bakes have taught: K hotter than described, pace as a factor, each with its standard deviation; how many."""

    heat_k: float = 0.0
    heat_sd_k: float = OVENS_DIFFER_K
    pace: float = 1.0
    pace_sd: float = PACES_DIFFER
    bakes: int = 0
