"""Figures that instruments send: thermometers, scales, level marks. Kept as they came, apart from people's events."""

from collections.abc import Sequence
from datetime import datetime, timedelta
from zoneinfo import ZoneInfo

from gentle_crust.core import limits
from gentle_crust.core.clock import zone_of
from gentle_crust.core.errors import CraftError, Unreadable, within
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work
from gentle_crust.store.samples import Samples

OLDEST = timedelta(days=60)


class Instruments:
    """All instruments of a kitchen."""

    def __init__(self, work: Work) -> None:
        self.work, self.now = work, work.now

    def zone(self) -> ZoneInfo:
        """The kitchen's zone, for files that write times without one."""
        return zone_of(KitchenSettings(self.work).get().zone)

    def take(self, figures: Sequence[tuple[str, str, datetime, float]]) -> list[datetime]:
        """Keep figures (device, quantity, instant, value); their instants. CraftError for one that cannot be."""
        for index, (_, quantity, at, value) in enumerate(figures):
            if quantity not in limits.SAMPLE_OF:
                known = tuple(limits.SAMPLE_OF)
                raise Unreadable(
                    f"samples.{index}.quantity", "kitchen-quantity-unknown", quantity=quantity, names=known
                )
            within(f"samples.{index}.value", limits.SAMPLE_OF[quantity], value)
            if not self.now() - OLDEST <= at <= self.now() + timedelta(minutes=2):
                raise CraftError(f"samples.{index}.at", "kitchen-sample-out-of-span")
        with self.work.write() as session:
            Samples(session).add(figures)
        return [at for _, _, at, _ in figures]
