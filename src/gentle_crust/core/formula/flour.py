"""The baker's own flours: what is known of a bag, and what follows for the dough."""

from dataclasses import dataclass

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, Unreadable, called, within
from gentle_crust.core.messages import message
from gentle_crust.core.tables import numbers

ABSORBS_PER_PROTEIN = 1.2
"""Water, percent of the flour, that one more percent of protein carries (practice)."""
STRENGTH_PER_PROTEIN = 0.035
"""Gluten strength that one more percent of protein gives, strong white flour being 1 (practice)."""


@dataclass(frozen=True)
class Lot:
    """One bag or delivery of a flour: where it came from, when it was opened, what it cost a kilo, if wished."""

    mill: str = ""
    bag: str = ""
    date: str = ""
    price_per_kg: float | None = None
    note: str = ""


@dataclass(frozen=True)
class MyFlour:
    """A flour of the baker's own: of a ``kind`` of the flours table, with what differs from it. Unknown is None.

    ``lots`` are the newest first. ``ash_percent`` is as printed on the bag, and kept for the record.
    """

    id: str
    name: str
    kind: str
    absorption_percent: float | None = None
    protein_percent: float | None = None
    ash_percent: float | None = None
    whole_grain_fraction: float | None = None
    lots: tuple[Lot, ...] = ()

    @property
    def price_per_kg(self) -> float | None:
        """What the newest bag cost."""
        return next((lot.price_per_kg for lot in self.lots if lot.price_per_kg is not None), None)


def property_of(kind: str, mine: MyFlour | None, column: str) -> float:
    """A numeric property of a flour: the baker's own figure, else what its protein tells, else the table's.

    Raises KeyError for a kind or column that the table does not have.
    """
    usual = numbers("flours", "kind", column)[kind]
    if mine is None:
        return usual
    own = getattr(mine, column, None)
    if own is not None:
        return float(own)
    if mine.protein_percent is None:
        return usual
    more = mine.protein_percent - numbers("flours", "kind", "protein_percent")[kind]
    if column == "absorption_percent":
        return usual + ABSORBS_PER_PROTEIN * more
    if column == "strength":
        return max(usual + STRENGTH_PER_PROTEIN * more, 0.15)
    return usual


_OF_A_BAG = {
    "absorption_percent": limits.ABSORPTION_PERCENT,
    "protein_percent": limits.PROTEIN_PERCENT,
    "ash_percent": limits.ASH_PERCENT,
    "whole_grain_fraction": limits.WHOLE_GRAIN,
}


def check_flour(flour: MyFlour, field: str) -> None:
    """Raise CraftError, its field beginning with ``field``, for what no bag of flour is."""
    if not 0 < len(flour.name.strip()) <= 60:
        raise CraftError(f"{field}.name", "formula-flour-name-length")
    if flour.kind not in numbers("flours", "kind", "absorption_percent"):
        raise Unreadable(f"{field}.kind", "formula-flour-kind-unknown", kind=flour.kind)
    for name, limit in _OF_A_BAG.items():
        value = getattr(flour, name)
        if value is not None:
            within(f"{field}.{name}", limit, value, called(limit, flour.name))
    for index, lot in enumerate(flour.lots):
        if lot.price_per_kg is not None:
            within(
                f"{field}.lots.{index}.price_per_kg",
                limits.PRICE_PER_KG,
                lot.price_per_kg,
                message("limit-price-of", whose=flour.name),
            )
