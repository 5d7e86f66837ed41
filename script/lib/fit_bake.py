"""Fits the bake's constants to what bakers see, and leaves each condition out in turn; writes docs/models/bake.md.

A search along one constant after another, by steps that grow where they help and halve where they do not. With
``--misses`` only the page is written, from the constants as they stand.
"""

import json
import sys
import time
from collections.abc import Callable, Iterable
from dataclasses import dataclass, replace
from pathlib import Path
from typing import Any

import bake_cases
import numpy as np

from gentle_crust.core.oven import bake as baking
from gentle_crust.core.oven import kit, loaf
from gentle_crust.core.oven.constants import Numbers, numbers

ROOT = Path(__file__).parents[2]
PAGE = ROOT / "docs" / "models" / "bake.md"
BEFORE = ROOT / "tests" / "data" / "answers" / "bake-before.json"
TABLES = ROOT / "src" / "gentle_crust" / "core" / "tables"
CLOSE, FAR = 0.97, 8.0
"""Within this share of its window from the middle a case costs hardly anything; beyond ``FAR`` it costs no more."""


@dataclass(frozen=True)
class Knob:
    """One constant: where it stands, between what it is sought, what it is without its condition, and which that is."""

    table: str
    row: str
    field: str
    low: float
    high: float
    plain: float | None = None
    condition: str = ""

    @property
    def name(self) -> str:
        """Its place in words."""
        return f"{self.row}.{self.field}"


KNOBS = (
    Knob("oven", "skin", "emissivity", 0.5, 0.95), Knob("oven", "skin", "still", 4, 12),
    Knob("oven", "skin", "covered", 1, 12, 5, "lids"), Knob("oven", "skin", "fan", 9, 24, 18, "fan"),
    Knob("oven", "skin", "dries", 0.7, 3.0), Knob("oven", "skin", "contact_wet", 40, 120),
    Knob("oven", "skin", "contact_dry", 12, 50), Knob("oven", "crumb", "conductivity_steam", 0.45, 0.95),
    Knob("oven", "crumb", "conductivity_dry", 0.02, 0.1), Knob("oven", "crumb", "liquid_m2_s", 1e-10, 1e-8),
    Knob("oven", "browning", "rate_per_s", 0.0012, 0.006), Knob("oven", "browning", "activation_j_mol", 28e3, 90e3),
    Knob("oven", "browning", "dry_below", 0.2, 0.6), Knob("oven", "browning", "spent", 0, 0.42),
    Knob("oven", "browning", "sugar", 3, 25, 6, "enriched"), Knob("oven", "browning", "milk", 0.2, 2, 0.6, "enriched"),
    Knob("oven", "chamber", "glow", 0.1, 0.6), Knob("oven", "chamber", "heater_to_air", 0.15, 0.45),
    Knob("vessels", "tin", "emissivity", 0.4, 0.9, 0.45, "tins"),
    Knob("vessels", "tin", "contact", 0.8, 2.5, 1.3, "tins"),
    Knob("vessels", "tin", "dry_extra", 1, 4, 2.5, "tins"),
    Knob("vessels", "lidded_cast_iron", "contact", 0.8, 2.4, 1, "bases"),
    Knob("vessels", "lidded_cast_iron", "dry_extra", 0.05, 1.2, 1, "bases"),
    Knob("vessels", "lidded_cast_iron", "lid_emissivity", 0.7, 0.95, 0.74, "lids"),
    Knob("vessels", "metal_dome", "contact", 0.4, 1.6, 0.7, "bases"),
    Knob("vessels", "metal_dome", "dry_extra", 0.05, 1.2, 1, "bases"),
    Knob("vessels", "metal_dome", "lid_emissivity", 0.15, 0.5, 0.32, "lids"),
    Knob("vessels", "stone", "dry_extra", 0.3, 2.5, 2, "bases"),
    Knob("vessels", "tray", "dry_extra", 0.3, 1.6, 1.5, "sticks"),
    Knob("shapes", "pan_loaf", "moist_factor", 0.7, 1, 1, "tins"),
    Knob("shapes", "pan_loaf", "dry_factor", 0.7, 3.2, 1, "tins"),
    Knob("shapes", "roll", "dry_factor", 0.15, 1, 1, "rolls"), Knob("shapes", "slipper", "dry_factor", 0.7, 3.4),
    Knob("shapes", "flat_round", "dry_factor", 0.05, 0.4),
)  # fmt: skip
_VESSEL, _SHAPE, _NUMBERS = kit.vessel_heat, loaf.shape, numbers()


def as_they_stand() -> list[float]:
    """The constants of the tables."""
    found = []
    for knob in KNOBS:
        if knob.table == "oven":
            found.append(float(getattr(getattr(_NUMBERS, knob.row), knob.field)))
        else:
            row = _VESSEL(knob.row) if knob.table == "vessels" else _SHAPE(knob.row)
            found.append(float(getattr(row, knob.field)))
    return found


def put(values: Iterable[float]) -> None:
    """Bake with these constants from now on."""
    sections: dict[str, Any] = {name: getattr(_NUMBERS, name) for name in Numbers._fields}
    rows: dict[str, dict[str, dict[str, float]]] = {"vessels": {}, "shapes": {}}
    for knob, value in zip(KNOBS, values, strict=True):
        if knob.table == "oven":
            sections[knob.row] = sections[knob.row]._replace(**{knob.field: float(value)})
        else:
            rows[knob.table].setdefault(knob.row, {})[knob.field] = float(value)
            if (knob.row, knob.field) == ("lidded_cast_iron", "lid_emissivity"):
                rows["vessels"][knob.row]["emissivity"] = float(value)
    now = Numbers(**sections)
    baking.numbers = lambda: now  # type: ignore[assignment]
    baking.vessel_heat = _changed(_VESSEL, rows["vessels"])  # type: ignore[assignment]
    baking.shape = loaf.shape = _changed(_SHAPE, rows["shapes"])  # type: ignore[assignment]
    baking._piece.cache_clear()
    loaf.rings.cache_clear()
    bake_cases.forget()


def _changed(read: Callable[[str], Any], rows: dict[str, dict[str, float]]) -> Callable[[str], Any]:
    return lambda kind: replace(read(kind), **rows.get(kind, {}))


def misses(cases: Iterable[bake_cases.Seen]) -> list[tuple[bake_cases.Seen, float, float]]:
    """Each case with its value and how far that is from the middle of its window, half a window being 1."""
    found = []
    for case in cases:
        value = case.measure()
        found.append((case, value, abs(value - (case.low + case.high) / 2) / ((case.high - case.low) / 2)))
    return found


def cost(values: list[float], cases: list[bake_cases.Seen]) -> float:
    """What is paid for cases at the edge of their windows or outside."""
    put(values)
    total = 0.0
    for case, value, off in misses(cases):
        wide = case.condition == "steam" and case.high >= 60
        far = 1 + (case.low - value) / 1.5 if wide else off
        far = min(max(far, 0.0), FAR)
        total += 30 * max(far - CLOSE, 0.0) ** 2 + 0.004 * far**2
    return total


def search(values: list[float], cases: list[bake_cases.Seen], seconds: float, still: set[int]) -> list[float]:
    """Better constants, ``still`` ones left as they are."""
    now = list(values)
    steps = [0.08 * (knob.high - knob.low) for knob in KNOBS]
    best, end = cost(now, cases), time.monotonic() + seconds
    while time.monotonic() < end:
        for place, knob in enumerate(KNOBS):
            if place in still or time.monotonic() > end:
                continue
            for way in (1, -1):
                tried = list(now)
                tried[place] = float(np.clip(now[place] + way * steps[place], knob.low, knob.high))
                if tried[place] != now[place] and (paid := cost(tried, cases)) < best - 1e-6:
                    now, best, steps[place] = tried, paid, 1.5 * steps[place]
                    break
            else:
                steps[place] /= 2
    return now


def left_out(seconds: float) -> dict[str, list[tuple[str, float, float, float, float]]]:
    """Each condition left out: its own constants as without it, the others fitted to the rest, and its cases then."""
    cases, whole = list(bake_cases.seen()), as_they_stand()
    found = {}
    for condition in dict.fromkeys(case.condition for case in cases):
        if condition in ("home", "wood"):
            continue
        own = {place for place, knob in enumerate(KNOBS) if knob.condition == condition}
        start = [
            float(knob.plain or value) if place in own else value
            for place, (knob, value) in enumerate(zip(KNOBS, whole, strict=True))
        ]
        fitted = search(start, [case for case in cases if case.condition != condition], seconds, own)
        put(fitted)
        mine = misses(case for case in cases if case.condition == condition)
        found[condition] = [(case.name, value, case.low, case.high, off) for case, value, off in mine]
        print(condition, [f"{name}: {value:.2f}" for name, value, *_ in found[condition]], flush=True)
    put(whole)
    return found


def page(out: dict[str, list[tuple[str, float, float, float, float]]]) -> str:
    """The page, in words and figures."""
    before = json.loads(BEFORE.read_text())
    lines = [
        "# The bake against what bakers see", "",
        "Written by `script/lib/fit_bake.py`. Windows are what is accepted; *before* is the model as it was when the",
        "skin was a millimetre thick, nothing shone and few shapes or vessels browned by constants of their own.", "",
        "| case | condition | window | before | now |", "|---|---|---|---|---|",
    ]  # fmt: skip
    for case, value, _ in misses(bake_cases.seen()):
        was = before.get(case.name)
        lines.append(
            f"| {case.name} | {case.condition} | {case.low:g} to {case.high:g} | "
            f"{'' if was is None else f'{was:.1f}'} | {value:.1f} |"
        )
    lines += [
        "", "## Each condition left out", "",
        "Its own constants are put back to what they would be without it, the others fitted to the other cases; then",
        "its cases are foretold. A miss of 1 lies on the edge of the window; far ones lean on their own constants.",
        "",
        "| condition | case | window | foretold | miss |", "|---|---|---|---|---|",
    ]  # fmt: skip
    for condition, cases in out.items():
        lines += [
            f"| {condition} | {name} | {low:g} to {high:g} | {value:.1f} | {off:.2f} |"
            for name, value, low, high, off in cases
        ]
    return "\n".join(lines) + "\n"


def main(arguments: list[str]) -> int:
    """Write the page; with ``--fit SECONDS`` look for better constants first and print them."""
    if "--fit" in arguments:
        seconds = float(arguments[arguments.index("--fit") + 1])
        found = search(as_they_stand(), list(bake_cases.seen()), seconds, set())
        print(json.dumps({knob.name: value for knob, value in zip(KNOBS, found, strict=True)}, indent=1))
        return 0
    seconds = float(arguments[0]) if arguments else 60.0
    PAGE.write_text(page(left_out(seconds)), encoding="utf-8")
    return 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
