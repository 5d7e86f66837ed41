"""Figures that instruments send: thermometers, scales, level marks. Kept as they came, apart from people's events."""

from collections.abc import Sequence
from datetime import datetime, timedelta
from zoneinfo import ZoneInfo

from sqlalchemy.orm import Session, sessionmaker

from gentle_crust.core.errors import CraftError
from gentle_crust.core.scheduling.clock import zone_of
from gentle_crust.kitchen.now import Now
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.store.repositories import Samples

LIMITS = {
    "dough_c": (-30.0, 120.0), "room_c": (-40.0, 60.0), "fridge_c": (-40.0, 60.0), "oven_c": (-20.0, 600.0),
    "scale_g": (-1000.0, 100_000.0), "level_mm": (0.0, 2000.0),
}  # fmt: skip
OLDEST = timedelta(days=60)


class Instruments:
    """All instruments of a kitchen."""

    def __init__(self, sessions: sessionmaker[Session], now: Now) -> None:
        self.sessions, self.now = sessions, now

    def zone(self) -> ZoneInfo:
        """The kitchen's zone, for files that write times without one."""
        return zone_of(KitchenSettings(self.sessions, self.now).get().zone)

    def take(self, figures: Sequence[tuple[str, str, datetime, float]]) -> list[datetime]:
        """Keep figures (device, quantity, instant, value); their instants. CraftError for one that cannot be."""
        for index, (_, quantity, at, value) in enumerate(figures):
            low, high = LIMITS.get(quantity, (0.0, -1.0))
            if not low <= value <= high:
                raise CraftError(
                    f"samples.{index}.value", f"{value:g} is no {quantity} that an instrument shows.",
                    f"Give a value from {low:g} to {high:g}.",
                )  # fmt: skip
            if not self.now() - OLDEST <= at <= self.now() + timedelta(minutes=2):
                raise CraftError(
                    f"samples.{index}.at", "That time is still to come, or more than two months ago.", "Set its clock."
                )
        with self.sessions.begin() as session:
            Samples(session).add(figures)
        return [at for _, _, at, _ in figures]
