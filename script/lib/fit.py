"""Fits the tuned constants of fermentation to the cases: without each condition in turn, then to all.

Writes the constants into their table and what came of it into docs/models/fit.md.
"""

import re
import sys
from dataclasses import dataclass
from math import log
from pathlib import Path

import numpy as np
from cases import CASES as HOME
from cases import Case
from outside import APART, LEFT_OUT, OUTSIDE
from scipy.optimize import least_squares

from gentle_crust.core import tables
from gentle_crust.core.fermentation import engine, rates

ROOT = Path(__file__).parents[2]
TABLE = ROOT / "src" / "gentle_crust" / "core" / "tables" / "fermentation.toml"
FITTED = (
    ("levain", "gas_ml_per_100g_flour", 330.0),
    ("bakers_yeast", "gas_ml_per_g_per_h", 250.0),
    ("bakers_yeast", "growth_per_h", 0.25),
    ("bakers_yeast", "waking_h", 0.22),
    ("bakers_yeast", "crowded_g", 5.0),
    ("substrate", "half_ml", 500.0),
    ("pace", "water_power", 4.2),
    ("pace", "water_half", 0.46),
    ("pace", "sugar_half_percent", 20.5),
    ("pace", "salt_per_percent", 0.12),
)
CASES = (*HOME, *OUTSIDE)
"""Each with the value that it is drawn towards: what was believed before any fitting."""
DRAWN = 0.25
"""Standard deviation, in ln, of that belief."""


def put(values: np.ndarray) -> None:
    """Let the engine run with these constants."""
    table = tables.toml("fermentation")
    for (section, key, _), value in zip(FITTED, values, strict=True):
        table[section][key]["value"] = float(value)
    tables.constant.cache_clear()
    for kept in (rates.tabled, engine._tables, engine._life):
        kept.cache_clear()


def miss(case: Case) -> float:
    """How far from the middle of its window a case is: 0 there, 1 at either edge (in ln)."""
    middle = (log(case.low) + log(case.high)) / 2
    return (log(max(case.value(), 1e-3)) - middle) / ((log(case.high) - log(case.low)) / 2)


def fit(cases: list[Case]) -> np.ndarray:
    """The constants that bring ``cases`` nearest to the middles of their windows."""
    start = np.log([believed for _, _, believed in FITTED])
    seen = [case for case in cases if case.condition not in APART]

    def misses(logs: np.ndarray) -> np.ndarray:
        put(np.exp(logs))
        return np.array([*(miss(case) for case in seen), *((logs - start) / DRAWN)])

    return np.exp(least_squares(misses, start, diff_step=0.01, max_nfev=25).x)


def answers() -> list[tuple[float, float]]:
    """Every case's figure and its miss, with the constants as they stand."""
    return [(case.value(), miss(case)) for case in CASES]


def write_constants(values: np.ndarray) -> None:
    """Put the fitted values into the table, each beside its unit and provenance."""
    text = TABLE.read_text(encoding="utf-8")
    for (section, key, _), value in zip(FITTED, values, strict=True):
        head, tail = text.split(f"[{section}]", 1)
        tail = re.sub(rf"(^{key} = {{ value = )[\d.]+", rf"\g<1>{value:.4g}", tail, count=1, flags=re.MULTILINE)
        text = f"{head}[{section}]{tail}"
    TABLE.write_text(text, encoding="utf-8")


def stale() -> list[str]:
    """Constants of the table that a fit to all cases, made now, would not give."""
    table = tables.toml("fermentation")
    written = [float(table[section][key]["value"]) for section, key, _ in FITTED]
    found = fit(list(CASES))
    pairs = zip(FITTED, written, found, strict=True)
    return [
        f"{section}.{key}: {old:g}, fitted {new:.4g}"
        for (section, key, _), old, new in pairs
        if abs(old / new - 1) > 0.004
    ]


@dataclass(frozen=True)
class Unseen:
    """A case that had no part in its fit: what was left out of that, its figure and its miss."""

    left_out: str
    case: Case
    value: float
    miss: float


def by_condition() -> list[Unseen]:
    """Every case outside the home range as a fit without its condition foretells it."""
    found = []
    for name, conditions in LEFT_OUT.items():
        put(fit([case for case in CASES if case.condition not in conditions]))
        found += [Unseen(name, case, case.value(), miss(case)) for case in OUTSIDE if case.condition in conditions]
    return found


def row(case: Case, *figures: float) -> str:
    """A line of a table of cases."""
    window = f"{case.low:g} to {case.high:g}{f' {case.unit}' if case.unit else ''}"
    return f"| {case.name} | {window} | " + " | ".join(f"{figure:.2f}" for figure in figures) + " |"


def main() -> None:
    """Fit without each condition, then to all, and write both down."""
    unseen = by_condition()
    wholly = fit(list(CASES))
    put(np.array([float(f"{value:.4g}") for value in wholly]))
    after = answers()
    write_constants(wholly)
    lines = [
        "# The fit",
        "",
        "Written by `script/fit`. A miss of 0 is the middle of the window, 1 its edge.",
        "",
        "| case | window | fitted to all | miss |",
        "|---|---|---|---|",
    ]
    lines += [row(case, value, off) for case, (value, off) in zip(CASES, after, strict=True)]
    lines += [
        "",
        "# What it has not seen",
        "",
        "Each condition left out in turn: all its cases as a fit to the others foretells them. Flours without gluten",
        "have a part in none: no constant that is fitted is theirs.",
        "",
        "| left out | case | window | foretold | miss |",
        "|---|---|---|---|---|",
    ]
    lines += [f"| {each.left_out} {row(each.case, each.value, each.miss)}" for each in unseen]
    lines += ["", "| condition left out | cases | mean miss | greatest |", "|---|---|---|---|"]
    for name in LEFT_OUT:
        off = [abs(each.miss) for each in unseen if each.left_out == name]
        lines.append(f"| {name} | {len(off)} | {np.mean(off):.2f} | {max(off):.2f} |")
    lines += ["", "| constant | believed before | fitted |", "|---|---|---|"]
    lines += [
        f"| {section}.{key} | {believed:g} | {value:.4g} |"
        for (section, key, believed), value in zip(FITTED, wholly, strict=True)
    ]
    (ROOT / "docs" / "models" / "fit.md").write_text("\n".join(lines) + "\n", encoding="utf-8")
    print("\n".join(lines))


if __name__ == "__main__":
    if "--check" in sys.argv:
        sys.exit("\n".join(stale()) or None)
    main()
