"""Fits the tuned constants of fermentation to the cases: first with a third of them held back, then to all.

Writes the constants into their table and what came of it into docs/models/fit.md.
"""

import re
import sys
from math import log
from pathlib import Path

import numpy as np
from cases import CASES, Case
from scipy.optimize import least_squares

from gentle_crust.core import tables
from gentle_crust.core.fermentation import engine, rates

ROOT = Path(__file__).parents[2]
TABLE = ROOT / "src" / "gentle_crust" / "core" / "tables" / "fermentation.toml"
FITTED = (
    ("levain", "gas_ml_per_100g_flour", 330.0),
    ("levain", "cold_gas_exponent", 0.75),
    ("bakers_yeast", "gas_ml_per_g_per_h", 250.0),
    ("bakers_yeast", "growth_per_h", 0.25),
    ("bakers_yeast", "waking_h", 0.3),
    ("substrate", "half_ml", 500.0),
)
"""Each with the value that it is drawn towards: what was believed before any fitting."""
DRAWN = 0.25
"""Standard deviation, in ln, of that belief."""
HELD_BACK = tuple(range(1, len(CASES), 3))


def put(values: np.ndarray) -> None:
    """Let the engine run with these constants."""
    table = tables.toml("fermentation")
    for (section, key, _), value in zip(FITTED, values, strict=True):
        table[section][key]["value"] = float(value)
    tables.constant.cache_clear()
    for kept in (rates._levain_gas_on_grid, rates.tabled, engine._tables, engine._life):
        kept.cache_clear()


def miss(case: Case) -> float:
    """How far from the middle of its window a case is: 0 there, 1 at either edge (in ln)."""
    middle = (log(case.low) + log(case.high)) / 2
    return (log(max(case.value(), 1e-3)) - middle) / ((log(case.high) - log(case.low)) / 2)


def fit(cases: list[Case]) -> np.ndarray:
    """The constants that bring ``cases`` nearest to the middles of their windows."""
    start = np.log([believed for _, _, believed in FITTED])

    def misses(logs: np.ndarray) -> np.ndarray:
        put(np.exp(logs))
        return np.array([*(miss(case) for case in cases), *((logs - start) / DRAWN)])

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


def main() -> None:
    """Fit, hold against what was held back, fit again, write both down."""
    some = [case for place, case in enumerate(CASES) if place not in HELD_BACK]
    partly = fit(some)
    put(partly)
    before = answers()
    wholly = fit(list(CASES))
    put(np.array([float(f"{value:.4g}") for value in wholly]))
    after = answers()
    write_constants(wholly)
    lines = [
        "# The fit",
        "",
        "Written by `script/fit`. A miss of 0 is the middle of the window, 1 its edge. Cases marked *held back* had no",
        "part in the first fit: their miss there is how far the engine errs on what it has not seen.",
        "",
        "| case | window | first fit | miss | second fit, to all | miss |",
        "|---|---|---|---|---|---|",
    ]
    for place, case in enumerate(CASES):
        (one, one_miss), (two, two_miss) = before[place], after[place]
        held = " *(held back)*" if place in HELD_BACK else ""
        unit = f" {case.unit}" if case.unit else ""
        window = f"{case.low:g} to {case.high:g}{unit}"
        lines.append(f"| {case.name}{held} | {window} | {one:.2f} | {one_miss:+.2f} | {two:.2f} | {two_miss:+.2f} |")
    unseen = [abs(before[place][1]) for place in HELD_BACK]
    lines += [
        "",
        f"Held back: mean miss {np.mean(unseen):.2f}, greatest {max(unseen):.2f}.",
        "",
        "| constant | believed before | first fit | second fit |",
        "|---|---|---|---|",
    ]
    for (section, key, believed), one, two in zip(FITTED, partly, wholly, strict=True):
        lines.append(f"| {section}.{key} | {believed:g} | {one:.4g} | {two:.4g} |")
    (ROOT / "docs" / "models").mkdir(parents=True, exist_ok=True)
    (ROOT / "docs" / "models" / "fit.md").write_text("\n".join(lines) + "\n", encoding="utf-8")
    print("\n".join(lines))


if __name__ == "__main__":
    if "--check" in sys.argv:
        sys.exit("\n".join(stale()) or None)
    main()
