"""The baker's own flours with their lots, and what ingredients cost."""

from dataclasses import dataclass, replace

from pydantic import TypeAdapter
from sqlalchemy.orm import Session, sessionmaker

from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.formula.flour import MyFlour, check_flour
from gentle_crust.core.formula.model import FlourShare, Formula
from gentle_crust.kitchen.now import Now
from gentle_crust.store.repositories import Pantries


@dataclass(frozen=True)
class Price:
    """What a kilo of something costs, in the kitchen's currency."""

    name: str
    price_per_kg: float


@dataclass(frozen=True)
class Pantry:
    """Own flours, and prices of whatever else is bought."""

    flours: tuple[MyFlour, ...] = ()
    prices: tuple[Price, ...] = ()

    def prices_by_name(self) -> dict[str, float]:
        """Price a kilo by an ingredient's name; an own flour's is that of its newest bag."""
        found = {price.name: price.price_per_kg for price in self.prices}
        own = {flour.name: flour.price_per_kg for flour in self.flours}
        return found | {name: price for name, price in own.items() if price is not None}

    def refreshed(self, formula: Formula) -> Formula:
        """A living formula with its own flours as they are known today."""
        known = {flour.id: flour for flour in self.flours}

        def now(share: FlourShare) -> FlourShare:
            mine = share.mine and known.get(share.mine.id)
            return replace(share, kind=mine.kind, mine=mine) if mine else share

        soakers = tuple(
            replace(soaker, flours=tuple(now(share) for share in soaker.flours)) for soaker in formula.soakers
        )
        return replace(formula, flours=tuple(now(share) for share in formula.flours), soakers=soakers)


ADAPTER = TypeAdapter(Pantry)


def check_pantry(pantry: Pantry) -> None:
    """Raise CraftError for what cannot be kept."""
    for index, flour in enumerate(pantry.flours):
        check_flour(flour, f"flours.{index}")
        if flour.id in [other.id for other in pantry.flours[:index]]:
            raise CraftError(f"flours.{index}.id", f"{flour.name} stands there twice.", "Remove one of them.")
    for index, price in enumerate(pantry.prices):
        if not 0 < len(price.name.strip()) <= 60:
            raise CraftError(f"prices.{index}.name", "A price has no name.", "Say what it is the price of.")
        within(f"prices.{index}.price_per_kg", f"The price of {price.name}", price.price_per_kg, 0, 1000, " a kilo")


class PantryBook:
    """Reads and saves the one pantry."""

    def __init__(self, sessions: sessionmaker[Session], now: Now) -> None:
        self.sessions, self.now = sessions, now

    def get(self) -> Pantry:
        """The pantry as saved, or an empty one."""
        with self.sessions() as session:
            body = Pantries(session).get()
        return Pantry() if body is None else ADAPTER.validate_python(body)

    def save(self, pantry: Pantry) -> Pantry:
        """Check and save; returns what was saved."""
        check_pantry(pantry)
        with self.sessions.begin() as session:
            Pantries(session).put(ADAPTER.dump_python(pantry, mode="json"), self.now())
        return pantry
