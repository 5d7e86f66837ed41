"""What a kitchen bakes with: ovens, vessels, steam, as the simulation takes them."""

from dataclasses import dataclass
from functools import cache
from typing import Any, Literal

from gentle_crust.core import limits
from gentle_crust.core.errors import Unreadable, within
from gentle_crust.core.messages import message
from gentle_crust.core.tables import rows

OvenKind = Literal["electric", "electric_fan", "gas", "built_in_steam", "wood", "rack"]
Preheated = Literal["whole", "lid", "hob", "none"]
"""What of a vessel is hot when it is loaded: all of it or its lid from the oven, its base from the hob, or nothing."""
HOB_C, HOB_MIN = 150.0, 8
"""A pot warmed on the hob on a low flame until water dances on its base: as warm, after so long (practice)."""
LARGEST_SETPOINT_C = 500.0
HOTTEST_FIRED_C = 550.0


@dataclass(frozen=True)
class Fired:
    """A wood-fired oven as it is loaded: floor and dome (C) after it was raked out and stood for ``soaked_min``."""

    floor_c: float
    dome_c: float
    soaked_min: float = 0.0


@dataclass(frozen=True)
class OvenHeat:
    """An oven to simulate: kind, heater (W), volume (l), how many K hotter than its dial it is.

    ``pace``: how fast loaves take up its heat, beside an oven of its kind. ``fired``: what a wood-fired oven was
    fired to; without it, its preheating counts as its firing.
    """

    kind: OvenKind = "electric"
    heater_w: float = 2500.0
    volume_l: float = 55.0
    offset_k: float = 0.0
    fired: Fired | None = None
    pace: float = 1.0


@dataclass(frozen=True)
class InVessel:
    """A vessel as used: its kind, what of it is hot when it is loaded, and its weight if it is known (kg)."""

    kind: str
    preheated: Preheated = "whole"
    base_kg: float | None = None
    lid_kg: float | None = None
    inside_l: float | None = None


@dataclass(frozen=True)
class Steam:
    """A source of steam: kind, grams of water, minutes from loading (before it: negative). None: the usual."""

    kind: str = "none"
    g: float | None = None
    at_min: float | None = None


@dataclass(frozen=True)
class OvenStage:
    """Minutes at a set point (C; 0 is oven off), covered or steaming, or open; fan and grill on or off."""

    minutes: float
    setpoint_c: float
    covered: bool = False
    fan: bool = False
    grill: bool = False


@dataclass(frozen=True)
class Preheat:
    """Minutes at a set point before loading, the fan on or off."""

    setpoint_c: float
    minutes: float
    fan: bool = False


_OF_BASE = ("base_kg", "base_j_kg_k", "base_m2", "contact", "dry_extra", "emissivity", "inner_w_m2_k")
_OF_LID = ("lid_kg", "lid_m2", "lid_emissivity", "inside_l", "leak_s", "wall_seen")


@dataclass(frozen=True)
class VesselHeat:
    """A vessel's heat, a row of the table. A lid of 0 kg is no lid."""

    kind: str
    base_kg: float
    base_j_kg_k: float
    base_m2: float
    contact: float
    dry_extra: float
    emissivity: float
    inner_w_m2_k: float
    lid_kg: float
    lid_m2: float
    lid_emissivity: float
    inside_l: float
    leak_s: float
    wall_seen: float
    flat: bool
    holds: int
    material: str
    face: float
    """Share of the base that answers at once: all of thin metal, the upper part of a stone."""
    joint_w_k: float


def row_of(table: str, field: str, kind: str, column: str = "kind") -> dict[str, str]:
    """The row of ``table`` for ``kind``; a CraftError that names ``field`` and the kinds there are, if unknown.

    Parameters
    ----------
    table : name of the table
    field : name of the field that a refusal names
    kind : kind of oven, vessel or steam, of the tables
    column : column that names the row

    Returns
    -------
    The row as text by column.
    """
    for row in rows(table):
        if row[column] == kind:
            return row
    known = tuple(row[column] for row in rows(table))
    raise Unreadable(field, "oven-kind-unknown", kind=kind, what=message(f"what-{table}"), names=known)


@cache
def vessel_heat(kind: str) -> VesselHeat:
    """The heat of a vessel kind; CraftError if unknown.

    Parameters
    ----------
    kind : kind of oven, vessel or steam, of the tables

    Returns
    -------
    Masses (kg), contact and cover of the kind.
    """
    row = row_of("vessels", "vessel.kind", kind)
    values: dict[str, Any] = {name: float(row[name]) for name in _OF_BASE + _OF_LID}
    values |= {"face": float(row["face"]), "joint_w_k": float(row["joint_w_k"])}
    values |= {"flat": row["flat"] == "1", "material": row["material"], "holds": max(int(row["holds_pieces"]), 1)}
    return VesselHeat(kind=kind, **values)


@cache
def oven_row(kind: str) -> dict[str, float]:
    """The numbers of an oven kind; CraftError if unknown.

    Parameters
    ----------
    kind : kind of oven, vessel or steam, of the tables

    Returns
    -------
    Numbers by column.
    """
    row = row_of("ovens", "oven.kind", kind)
    return {key: float(value) for key, value in row.items() if key not in ("kind", "provenance")}


def steam_of(steam: Steam) -> Steam:
    """The source with its usual grams and moment filled in; CraftError if unknown or out of range.

    Parameters
    ----------
    steam : a way to steam: kind, grams (g) and minute

    Returns
    -------
    The source, filled.
    """
    row = row_of("steam", "steam.kind", steam.kind)
    grams = float(row["g"]) if steam.g is None else within("steam.g", limits.STEAM_G, steam.g)
    at = float(row["at_min"]) if steam.at_min is None else steam.at_min
    return Steam(steam.kind, grams, within("steam.at_min", limits.STEAM_AT_MIN, at))
