"""What a spoon or a cup of something weighs: low, likely and high, by the baker's own habits."""

from dataclasses import dataclass
from functools import cache
from typing import Literal

from gentle_crust.core.tables import rows

HEAPED = (1.4, 1.55, 1.7)
"""A heaped spoon or cup against a level one (practice)."""
PACKET_G = {"instant_yeast": 7.0, "active_dry_yeast": 7.0, "fresh_yeast": 42.0}
"""One packet or cube, as sold (practice)."""
STICK_G = 113.0
"""A stick of butter (practice)."""
PINCH_G = (0.2, 0.35, 0.6)
"""A pinch of salt or yeast (practice)."""
KNOB_G = (8.0, 15.0, 30.0)
"""A knob of butter (practice)."""
HOUSEHOLD_ML = {"handful": (50.0, 80.0, 120.0), "glass": (180.0, 200.0, 300.0), "mug": (240.0, 300.0, 380.0),
                "dash": (3.0, 10.0, 25.0), "bottle": (330.0, 400.0, 750.0)}  # fmt: skip
"""What kitchens measure with and nobody has standardized, ml (practice)."""
PINT_ML = (473.2, 473.2, 568.3)
"""A pint: the American one, or the larger British one."""
SIZED = {"": (1.0, 1.0, 1.0), "scant": (0.85, 0.93, 1.0), "packed": (1.0, 1.1, 1.25), "heaped": HEAPED}
"""A spoon or cup by how it is filled, against a level one (practice)."""
WHEAT_G_PER_ML = 0.528
TEASPOON_ML = 4.92892
OWN = 0.03
"""Share by which what was weighed once differs from time to time (practice)."""
SPOONED, SCOOPED = 122 / 236.6, 142 / 236.6
"""Wheat flour spooned into the cup, and scooped with it, g per ml (practice)."""


@dataclass(frozen=True)
class Grams:
    """Low, likely and high grams."""

    low: float
    likely: float
    high: float

    def times(self, factor: float) -> "Grams":
        """Each of the three times ``factor``."""
        return Grams(self.low * factor, self.likely * factor, self.high * factor)

    def plus(self, other: "Grams") -> "Grams":
        """Sum, low with low and high with high."""
        return Grams(self.low + other.low, self.likely + other.likely, self.high + other.high)


@dataclass(frozen=True)
class Measured:
    """An ingredient of the measures table."""

    name: str
    role: str
    kind: str
    words: tuple[str, ...]
    g_per_ml: Grams
    each_g: Grams | None = None
    """Of what is counted: one egg, one potato."""


@dataclass(frozen=True)
class Habits:
    """How this baker measures. ``cup_ml`` is 236.6, 240 or 250; ounces of a liquid may be weight or volume."""

    cup_ml: float = 236.6
    flour: Literal["unknown", "spooned", "scooped"] = "unknown"
    salt: Literal["unknown", "table", "fine_sea", "flaky"] = "unknown"
    liquid_ounces: Literal["ask", "weight", "volume"] = "ask"
    cup_flour_g: float | None = None
    """What this baker's cup of wheat flour weighs, once it was weighed."""
    teaspoon_salt_g: float | None = None
    """What this baker's teaspoon of their own salt weighs, once it was weighed."""


PARTS = ("low", "likely", "high")


@cache
def ingredients() -> tuple[Measured, ...]:
    """All ingredients that a written recipe may name."""
    return tuple(
        Measured(
            row["ingredient"],
            row["role"],
            row["kind"],
            tuple(row["words"].split("|")),
            Grams(*(float(row[f"{part}_g_per_ml"]) for part in PARTS)),
            Grams(*(float(row[f"{part}_each_g"]) for part in PARTS)) if row["likely_each_g"] else None,
        )
        for row in rows("measures")
    )


def grams_per_ml(item: Measured, habits: Habits) -> Grams:
    """Density as this baker measures.

    What they weighed once counts within 3 %, for other flours as these differ from wheat; a known habit narrows flour
    to 4 % and salt to its own kind.
    """
    if item.role == "flour" and habits.cup_flour_g is not None:
        return _within(habits.cup_flour_g / habits.cup_ml * item.g_per_ml.likely / WHEAT_G_PER_ML, OWN)
    if item.role == "salt" and habits.teaspoon_salt_g is not None:
        return _within(habits.teaspoon_salt_g / TEASPOON_ML, OWN)
    if item.role == "flour" and habits.flour != "unknown":
        scale = (SPOONED if habits.flour == "spooned" else SCOOPED) / WHEAT_G_PER_ML
        return _within(item.g_per_ml.likely * scale, 0.04)
    if item.name == "salt" and habits.salt != "unknown":
        name = {"table": "table salt", "fine_sea": "fine sea salt", "flaky": "coarse salt flakes"}[habits.salt]
        return next(other.g_per_ml for other in ingredients() if other.name == name)
    return item.g_per_ml


def _within(likely: float, share: float) -> Grams:
    return Grams(likely * (1 - share), likely, likely * (1 + share))
