"""How fast things live at a temperature: levain yeast, lactic bacteria, baker's yeast, dissolved gas."""

from functools import cache

import numpy as np
from numpy.typing import NDArray

from gentle_crust.core.fermentation.monotone import monotone_cubic
from gentle_crust.core.tables import constant, rows

Floats = NDArray[np.float64]

COLDEST_C, HOTTEST_C = 0.0, 60.0
_GRID_C: Floats = np.linspace(COLDEST_C, HOTTEST_C, 1201)
_SOFTENS_BELOW_C = 20.0


@cache
def _on_grid(table: str, column: str) -> Floats:
    """A rate table on a fine grid: ln(rate) by a monotone cubic in temperature."""
    celsius = np.array([float(row["celsius"]) for row in rows(table)])
    rate = np.array([float(row[column]) for row in rows(table)])
    fine: Floats = np.exp(monotone_cubic(celsius, np.log(rate), _GRID_C))
    return fine


@cache
def _levain_gas_on_grid() -> Floats:
    growth = _on_grid("levain_rates", "yeast_growth_per_h")
    at_20 = float(np.interp(_SOFTENS_BELOW_C, _GRID_C, growth))
    softer = at_20 * (growth / at_20) ** constant("fermentation", "levain", "cold_gas_exponent")
    return np.where(_GRID_C < _SOFTENS_BELOW_C, softer, growth)


def _at(temperature_c: Floats, grid: Floats) -> Floats:
    return np.interp(temperature_c, _GRID_C, grid)


def levain_yeast_growth_per_h(temperature_c: Floats) -> Floats:
    """Specific growth of sourdough yeast, 1/h, 0-60 C (Ganzle, Ehmann and Hammes 1998, unverified)."""
    return _at(temperature_c, _on_grid("levain_rates", "yeast_growth_per_h"))


def levain_gas_per_h(temperature_c: Floats) -> Floats:
    """Gas making of sourdough yeast in units of its growth, 1/h: as growth, but less steep in the cold."""
    return _at(temperature_c, _levain_gas_on_grid())


def levain_bacteria_growth_per_h(temperature_c: Floats) -> Floats:
    """Specific growth of lactic bacteria, 1/h, 0-60 C (Ganzle, Ehmann and Hammes 1998, unverified)."""
    return _at(temperature_c, _on_grid("levain_rates", "bacteria_growth_per_h"))


def bakers_yeast_gassing(temperature_c: Floats) -> Floats:
    """Gas making of baker's yeast relative to 35 C, 0-1 (tuned)."""
    return _at(temperature_c, _on_grid("yeast_gassing", "relative_gassing"))


def dissolved_gas_ml_per_g_water(temperature_c: Floats) -> Floats:
    """CO2 that a gram of water holds, ml at room conditions (after Bunsen coefficients, unverified)."""
    return np.interp(temperature_c, [0.0, 4.0, 10.0, 25.0, 40.0], [1.65, 1.40, 1.15, 0.75, 0.53])
