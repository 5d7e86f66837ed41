"""Is this dry yeast alive? A glass, warm water, sugar, and ten to fifteen minutes."""

from dataclasses import dataclass
from typing import Literal, get_args

from gentle_crust.core import limits
from gentle_crust.core.errors import Unreadable, within
from gentle_crust.core.messages import Message, message

Foam = Literal["none", "few_bubbles", "thin", "thick"]
WATER_G, WATER_C, SUGAR_G, YEAST_G = 100.0, 38.0, 4.0, 3.0
"""The glass: a teaspoon each of sugar and yeast (practice)."""
COUNTS_DAYS = 90
"""A test speaks for its pack so long, unless a new one is opened: an opened pack keeps for a season (practice)."""
SURE_AFTER_MIN, LONGEST_MIN = 10.0, 15.0
FEW_AFTER_MIN = 20.0
"""A few bubbles are waited upon so long: yeast that was kept cold or dry for years wakes slowly (practice)."""


@dataclass(frozen=True)
class YeastVerdict:
    """``state`` is lively, weak, dead or wait; ``dose`` what to multiply the formula's yeast by, 0 if it is no use."""

    state: Literal["lively", "weak", "dead", "wait"]
    sentence: Message
    dose: float

    @property
    def strength(self) -> float:
        """Its gas beside that of fresh stock: 1 is usual, 0 none."""
        return 1 / self.dose if self.dose else 0.0


def verdict(foam: Foam, minutes: float) -> YeastVerdict:
    """What the foam tells after ``minutes`` (0-120). Thick: a finger high. Raises CraftError for an unknown foam."""
    if foam not in get_args(Foam):
        raise Unreadable("foam", "formula-foam-unknown", foam=foam, names=get_args(Foam))
    within("minutes", limits.YEAST_TEST_MIN, minutes)
    if foam == "thick":
        return YeastVerdict("lively", message("yeast-lively"), 1.0)
    if minutes < SURE_AFTER_MIN:
        left = SURE_AFTER_MIN - minutes
        return YeastVerdict("wait", message("yeast-too-early", minutes=round(left)), 1.0)
    if foam == "none" and minutes >= LONGEST_MIN:
        return YeastVerdict("dead", message("yeast-dead"), 0.0)
    if foam == "none":
        left = LONGEST_MIN - minutes
        return YeastVerdict("wait", message("yeast-nothing-yet", minutes=round(left)), 1.0)
    if foam == "few_bubbles" and minutes < FEW_AFTER_MIN:
        left = FEW_AFTER_MIN - minutes
        return YeastVerdict("wait", message("yeast-few-yet", minutes=round(left)), 1.0)
    if foam == "few_bubbles":
        return YeastVerdict("weak", message("yeast-hardly-alive"), 2.0)
    return YeastVerdict("weak", message("yeast-weak"), 1.5)
