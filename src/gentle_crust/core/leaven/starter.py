"""The baker's own culture, as a levain is built from it."""

from dataclasses import dataclass
from datetime import datetime

from gentle_crust.core.fermentation.uncertainty import Vigour


@dataclass(frozen=True)
class Starter:
    """The baker's own culture that a levain is built from, as it lives now.

    It is a good seed from ``seed_from`` to ``hungry_from`` (None: not within what was foretold); before the first it
    is young and wants time, after the second it wants ``wake_feeds`` feeds, at least one. ``strength`` is what hunger
    left of it.
    """

    id: str
    name: str
    flour_kind: str
    hydration_percent: float
    grams: float
    seed_from: datetime | None
    hungry_from: datetime | None
    wake_feeds: int
    strength: float
    vigour: Vigour

    def feeds_first(self, when: datetime) -> int:
        """Feeds that it wants before a levain is built from it then."""
        hungry = self.hungry_from is not None and when > self.hungry_from
        return max(self.wake_feeds, int(hungry))

    def too_young_h(self, when: datetime) -> float:
        """Hours by which it is still too young to be built from; 0 if it is not."""
        if self.seed_from is None:
            return 24.0
        return max((self.seed_from - when).total_seconds() / 3600, 0.0)
