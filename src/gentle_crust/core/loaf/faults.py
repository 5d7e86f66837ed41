"""What a loaf's sheet says went otherwise than wished, in the words that bakers have for it."""

from collections.abc import Callable
from typing import Literal, get_args

from gentle_crust.core.loaf.sheet import Sheet
from gentle_crust.core.messages import Message, message

Fault = Literal[
    "dense_tight", "tight_wild_holes", "flying_crust", "dense_base_line", "gummy", "spread", "caved_in", "side_burst",
    "no_ear", "pale_top", "dark_early", "crust_hard", "crust_soft", "base_pale", "base_burnt", "bland", "too_salty",
    "undersalted", "dry_crumb", "flour_blotches", "misshapen", "base_burst",
]  # fmt: skip
FAULTS: tuple[Fault, ...] = get_args(Fault)
PALE, DARK, BASE_PALE, BASE_BURNT = 32.0, 82.0, 15.0, 82.0
"""Colours (0-100) from which on a top or a base is called pale, dark or burnt (practice)."""
BLAND = 1

_SHOWN: dict[Fault, Callable[[Sheet], bool]] = {
    "dense_tight": lambda sheet: sheet.openness == "tight",
    "tight_wild_holes": lambda sheet: sheet.openness == "wild",
    "flying_crust": lambda sheet: "under_crust" in sheet.holes or "tunnels" in sheet.holes,
    "dense_base_line": lambda sheet: "dense_base" in sheet.holes,
    "gummy": lambda sheet: sheet.bite == "gummy",
    "spread": lambda sheet: sheet.form in ("flat", "spread"),
    "caved_in": lambda sheet: sheet.form == "caved_in",
    "side_burst": lambda sheet: sheet.blow_out in ("side", "top", "end"),
    "no_ear": lambda sheet: sheet.scores == "closed",
    "pale_top": lambda sheet: sheet.top_colour is not None and sheet.top_colour < PALE,
    "dark_early": lambda sheet: sheet.top_colour is not None and sheet.top_colour > DARK,
    "crust_hard": lambda sheet: sheet.crust == "thick",
    "crust_soft": lambda sheet: sheet.crust == "leathery",
    "base_pale": lambda sheet: sheet.base_colour is not None and sheet.base_colour < BASE_PALE,
    "base_burnt": lambda sheet: sheet.base_colour is not None and sheet.base_colour > BASE_BURNT,
    "bland": lambda sheet: sheet.flavour == BLAND,
    "too_salty": lambda sheet: sheet.salt == "high",
    "undersalted": lambda sheet: sheet.salt == "low",
    "dry_crumb": lambda sheet: sheet.bite == "dry",
    "flour_blotches": lambda sheet: bool(sheet.flour_blotches),
    "misshapen": lambda sheet: sheet.form == "mushroomed",
    "base_burst": lambda sheet: sheet.bottom == "burst" or sheet.blow_out == "base",
}


def faults_of(sheet: Sheet) -> tuple[Fault, ...]:
    """The faults that a sheet shows, in their order; what it does not speak of is none."""
    return tuple(fault for fault in FAULTS if _SHOWN[fault](sheet))


def fault_name(fault: str) -> Message:
    """A fault in bakers' words, by its code."""
    return message(f"fault-{fault}")
