"""Ovens, vessels and ways to steam as they are written down: by their kind alone, or by their records."""

from typing import Any

from gentle_crust.core.oven.equipment import Oven, Vessel, vessel_row
from gentle_crust.core.oven.kit import Fired, Steam, oven_row, steam_of


def vessel_of(written: Any) -> Vessel:
    """A vessel by its kind alone, or by its record. Raises CraftError that names the kinds, if unknown."""
    record = _record(written)
    kind = str(record.pop("kind", ""))
    vessel_row(kind)
    id_, name, count = record.pop("id", kind), record.pop("name", ""), record.pop("count", AS_MANY)
    return Vessel(id_, kind, name, count, **record)


def _record(written: Any) -> dict[str, Any]:
    """What is said of a thing; of one of which only its kind is given, that."""
    if isinstance(written, str):
        return {"kind": written}
    return {key: value for key, value in written.items() if value is not None and key != "preheated"}


def oven_of(written: Any) -> tuple[Oven, Fired | None]:
    """An oven by its kind alone, or by its record; and what it was fired to, if it burns wood."""
    record = _record(written)
    fired = record.pop("fired", None)
    oven_row(str(record.get("kind", "electric")))
    if record.get("kind") == "wood":
        record = {"top_c": WOOD_TOP_C, **record}
    return Oven(**record), None if fired is None else Fired(**fired)


WOOD_TOP_C = 350.0
"""A wood-fired oven reaches what a loaf can want (practice)."""
AS_MANY = 99
"""The count of a vessel of which none is given: as many as are needed."""


def steams_from(written: Any) -> tuple[Steam, ...]:
    """One way to steam, or several."""
    return tuple(steam_from(each) for each in (written if isinstance(written, list) else [written]))


def steam_from(written: Any) -> Steam:
    """A way to steam by its kind alone, or by its record."""
    return steam_of(Steam(**_record(written)))
