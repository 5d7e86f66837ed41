"""What mixing does to a dough's warmth: friction warms it, and the kitchen takes heat from it or gives it some."""

from dataclasses import dataclass
from math import exp
from typing import Literal, get_args

from gentle_crust.core import limits
from gentle_crust.core.errors import Unreadable, within

Mixing = Literal["spoon", "folds", "hand_kneading", "slap_and_fold", "planetary_mixer", "spiral_mixer", "processor"]
Speed = Literal["slow", "usual", "fast"]

FRICTION_K: dict[str, float] = {
    "spoon": 0.5,
    "folds": 0.5,
    "hand_kneading": 2.0,
    "slap_and_fold": 2.0,
    "planetary_mixer": 6.5,
    "spiral_mixer": 7.5,
    "processor": 15.0,
}
"""What mixing for the usual minutes at the usual speed adds to a dough's temperature, K (practice)."""
USUAL_MIN: dict[str, float] = {
    "spoon": 3.0,
    "folds": 5.0,
    "hand_kneading": 12.0,
    "slap_and_fold": 10.0,
    "planetary_mixer": 10.0,
    "spiral_mixer": 8.0,
    "processor": 1.5,
}
"""Minutes that each is usually done for (practice)."""
MADE_WITH_A_MOTOR = ("planetary_mixer", "spiral_mixer", "processor")
SPEED: dict[str, float] = {"slow": 0.5, "usual": 1.0, "fast": 1.8}
"""Friction a minute beside that at the usual speed (practice)."""
EXCHANGE_PER_H: dict[str, float] = {
    "spoon": 0.35,
    "folds": 0.5,
    "hand_kneading": 1.0,
    "slap_and_fold": 1.0,
    "planetary_mixer": 0.5,
    "spiral_mixer": 0.4,
    "processor": 0.5,
}
"""Share of its distance to the kitchen's warmth that a dough of 1.7 kg loses in an hour, on the bench and in hands most
(practice: a kilo of flour at 15 C in a room of 16 C, kneaded by hand for 12 min, wants water near 29 C for 25 C)."""
BATCH_G = 1700.0
SURFACE_POWER = -1 / 3
"""A small dough has more surface for its weight."""


@dataclass(frozen=True)
class Mixed:
    """How it is mixed: ``friction_k`` added in all; of its distance to the kitchen's warmth the share ``kept`` stays.

    ``spread`` is the mean share that is kept of the friction, which is made little by little.
    """

    friction_k: float
    kept: float = 1.0
    spread: float = 1.0


def friction_of(mixing: str) -> float:
    """What a way of mixing usually adds to the dough's temperature, K. CraftError for an unknown one.

    Parameters
    ----------
    mixing : way of mixing, of the table of frictions

    Returns
    -------
    K (practice).
    """
    if mixing not in FRICTION_K:
        raise Unreadable("mixing", "water-mixing-unknown", mixing=mixing, names=tuple(FRICTION_K))
    return FRICTION_K[mixing]


def amount_of(mixing: str, minutes: float | None = None, speed: str = "usual") -> float:
    """How much of the usual mixing this is: 1 for the usual minutes at the usual speed. CraftError for what is none.

    Parameters
    ----------
    mixing : way of mixing, of the table of frictions
    minutes : minutes
    speed : slow, usual or fast

    Returns
    -------
    A factor, 0 and more.
    """
    friction_of(mixing)
    if speed not in get_args(Speed):
        raise Unreadable("speed", "water-speed-unknown", speed=speed, names=get_args(Speed))
    if minutes is None:
        return SPEED[speed] if mixing in MADE_WITH_A_MOTOR else 1.0
    within("mixing_min", limits.MIXING_MIN, minutes)
    return minutes / USUAL_MIN[mixing] * (SPEED[speed] if mixing in MADE_WITH_A_MOTOR else 1.0)


@dataclass(frozen=True)
class Work:
    """A way of mixing with its minutes, the usual ones if they are not said, and speed.

    ``usual_k`` is what the usual mixing was found to add here, K; the table's if nothing was measured.
    """

    mixing: str
    minutes: float | None = None
    speed: str = "usual"
    usual_k: float | None = None

    @property
    def amount(self) -> float:
        """How much of the usual mixing it is."""
        return amount_of(self.mixing, self.minutes, self.speed)

    def on(self, dough_g: float) -> Mixed:
        """What it does to so much dough."""
        usual = friction_of(self.mixing) if self.usual_k is None else self.usual_k
        lasts = USUAL_MIN[self.mixing] if self.minutes is None else self.minutes
        lost = EXCHANGE_PER_H[self.mixing] * lasts / 60 * (max(dough_g, 1.0) / BATCH_G) ** SURFACE_POWER
        spread = (1 - exp(-lost)) / lost if lost > 1e-9 else 1.0
        return Mixed(usual * self.amount, exp(-lost), spread)
