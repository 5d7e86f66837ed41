"""The baker's own flours with their lots, and what ingredients cost."""

import logging

from gentle_crust.contract.documents import PANTRY
from gentle_crust.contract.kitchen import Pantry
from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, NotFound, Unreadable, within
from gentle_crust.core.formula.flour import check_flour
from gentle_crust.kitchen import states
from gentle_crust.kitchen.work import Work
from gentle_crust.store.repositories import Pantries

LOG = logging.getLogger(__name__)


def check_pantry(pantry: Pantry) -> None:
    """Raise CraftError for what cannot be kept."""
    for index, flour in enumerate(pantry.flours):
        check_flour(flour, f"flours.{index}")
        if flour.id in [other.id for other in pantry.flours[:index]]:
            raise CraftError(f"flours.{index}.id", f"{flour.name} stands there twice.", "Remove one of them.")
    for index, price in enumerate(pantry.prices):
        if not 0 < len(price.name.strip()) <= 60:
            raise CraftError(f"prices.{index}.name", "A price has no name.", "Say what it is the price of.")
        within(f"prices.{index}.price_per_kg", limits.PRICE_PER_KG, price.price_per_kg, f"The price of {price.name}")


class PantryBook:
    """Reads and saves the one pantry."""

    def __init__(self, work: Work) -> None:
        self.work, self.now = work, work.now

    def get(self) -> Pantry:
        """The pantry as saved, or an empty one; also if what was saved cannot be read."""
        return self.work.once("pantry", self._look_up)

    def _look_up(self) -> Pantry:
        with self.work.read() as session:
            body = Pantries(session).get()
        try:
            return Pantry() if body is None else PANTRY.read(body)
        except Unreadable:
            LOG.exception("the pantry cannot be read")
            return Pantry()

    def etag(self) -> str:
        """Names the state that stands."""
        with self.work.read() as session:
            return str(states.newest(session, "pantry"))

    def can_undo(self) -> bool:
        """Whether there is an earlier state."""
        with self.work.read() as session:
            return states.earlier(session, "pantry") is not None

    def save(self, pantry: Pantry, base: int | None = None) -> Pantry:
        """Check and save; returns what was saved. Raises ChangedMeanwhile if what stands is not state ``base``."""
        check_pantry(pantry)
        body = PANTRY.write(pantry)
        with self.work.write() as session:
            before = Pantries(session).get()
            states.check(session, "pantry", base, body, before)
            if before != body:
                states.keep(session, "pantry", body, before or PANTRY.write(Pantry()), self.now())
                Pantries(session).put(body, self.now())
        return pantry

    def undo(self) -> Pantry:
        """Bring back the state before the last; it is saved as a new one. Raises NotFound without any."""
        with self.work.write() as session:
            number = states.earlier(session, "pantry")
            if number is None:
                raise NotFound("id", "There is no earlier state of the pantry.", "Change it by hand.")
            return self.save(PANTRY.read(states.state(session, "pantry", number)))
