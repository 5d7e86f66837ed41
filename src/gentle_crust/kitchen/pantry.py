"""The baker's own flours with their lots, and what ingredients cost."""

from gentle_crust.contract.documents import PANTRY
from gentle_crust.contract.kitchen import Pantry
from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.formula.flour import check_flour
from gentle_crust.core.formula.label import called
from gentle_crust.core.messages import message
from gentle_crust.kitchen import states
from gentle_crust.kitchen.one_document import OneDocument
from gentle_crust.store.repositories import Pantries


def check_pantry(pantry: Pantry) -> None:
    """Raise CraftError for what cannot be kept."""
    for index, flour in enumerate(pantry.flours):
        check_flour(flour, f"flours.{index}")
        if flour.id in [other.id for other in pantry.flours[:index]]:
            raise CraftError(f"flours.{index}.id", "kitchen-price-twice", name=flour.name)
    for index, price in enumerate(pantry.prices):
        if not 0 < len(price.name.strip()) <= 60:
            raise CraftError(f"prices.{index}.name", "kitchen-price-unnamed")
        within(
            f"prices.{index}.price_per_kg",
            limits.PRICE_PER_KG,
            price.price_per_kg,
            message("limit-price-of", whose=called(price.name)),
        )


class PantryBook(OneDocument[Pantry]):
    """Reads and saves the one pantry."""

    kind, document, rows = "pantry", PANTRY, Pantries

    def begins(self) -> Pantry:
        """An empty one."""
        return Pantry()

    def empty(self) -> states.Body:
        """An empty one."""
        return PANTRY.write(Pantry())

    def check(self, value: Pantry) -> None:
        """Raise CraftError for what cannot be kept."""
        check_pantry(value)
