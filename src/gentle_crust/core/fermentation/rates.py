"""How fast things live at a temperature: levain yeast, lactic bacteria, baker's yeast, dissolved gas."""

from functools import cache

import numpy as np
from numpy.typing import NDArray

from gentle_crust.core.fermentation.monotone import monotone_cubic
from gentle_crust.core.fermentation.stepping import Rates, shell_mean
from gentle_crust.core.tables import rows

Floats = NDArray[np.float64]

COLDEST_C, HOTTEST_C = 0.0, 60.0
PER_K = 20.0
_GRID_C: Floats = np.linspace(COLDEST_C, HOTTEST_C, 1201)


@cache
def _on_grid(table: str, column: str) -> Floats:
    """A rate table on a fine grid: ln(rate) by a monotone cubic in temperature."""
    celsius = np.array([float(row["celsius"]) for row in rows(table)])
    rate = np.array([float(row[column]) for row in rows(table)])
    fine: Floats = np.exp(monotone_cubic(celsius, np.log(rate), _GRID_C))
    return fine


@cache
def _bunsen_on_grid() -> Floats:
    """CO2 in water after Bunsen coefficients (unverified), ml at room conditions per g: a smooth curve through them."""
    celsius, held = np.array([0.0, 4.0, 10.0, 25.0, 40.0, 60.0]), np.array([1.65, 1.40, 1.15, 0.75, 0.53, 0.38])
    fine: Floats = np.exp(monotone_cubic(celsius, np.log(held), _GRID_C))
    return fine


def _at(temperature_c: Floats, grid: Floats) -> Floats:
    return np.interp(temperature_c, _GRID_C, grid)


@cache
def tabled() -> Rates:
    """What depends on temperature, every twentieth of a degree from 0 to 60 C."""
    return Rates(
        per_k=PER_K,
        levain_yeast=_on_grid("levain_rates", "yeast_growth_per_h"),
        levain_bacteria=_on_grid("levain_rates", "bacteria_growth_per_h"),
        levain_gas=_on_grid("levain_rates", "yeast_gassing_per_h"),
        bakers_gas=_on_grid("yeast_gassing", "relative_gassing"),
        dissolved=_bunsen_on_grid(),
    )


def mean_dissolved_ml(nodes_c: Floats, share: Floats) -> Floats:
    """CO2 that a gram of a dough's water holds, ml at room conditions, by time; ``nodes_c`` is (times, shells).

    Parameters
    ----------
    nodes_c : temperatures of the dough's shells, C, from the middle outwards
    share : volume share of each shell, summing to 1

    Returns
    -------
    ml of CO2 per g of water, one a time.
    """
    found: Floats = shell_mean(nodes_c, share, _bunsen_on_grid(), PER_K)
    return found


def levain_yeast_growth_per_h(temperature_c: Floats) -> Floats:
    """Specific growth of sourdough yeast, 1/h, 0-60 C (Ganzle, Ehmann and Hammes 1998, unverified; below 18 C tuned).

    Parameters
    ----------
    temperature_c : temperature, C, 0-60

    Returns
    -------
    1/h, 0-.5.
    """
    return _at(temperature_c, tabled().levain_yeast)


def levain_gas_per_h(temperature_c: Floats) -> Floats:
    """Gas making of sourdough yeast, 1/h, 0-60 C: about its growth up to 26 C; about 18 C and in the heat more.

    Cells that no longer divide still ferment, up to about 40 C (tuned).

    Parameters
    ----------
    temperature_c : temperature, C, 0-60

    Returns
    -------
    1/h, 0-.5.
    """
    return _at(temperature_c, tabled().levain_gas)


def levain_bacteria_growth_per_h(temperature_c: Floats) -> Floats:
    """Specific growth of lactic bacteria, 1/h, 0-60 C (Ganzle, Ehmann and Hammes 1998, unverified).

    Parameters
    ----------
    temperature_c : temperature, C, 0-60

    Returns
    -------
    1/h, 0-1.
    """
    return _at(temperature_c, tabled().levain_bacteria)


def bakers_yeast_gassing(temperature_c: Floats) -> Floats:
    """Gas making of baker's yeast relative to 35 C, 0-1 (tuned).

    Parameters
    ----------
    temperature_c : temperature, C, 0-60

    Returns
    -------
    A share of the rate at 35 C, 0-1.
    """
    return _at(temperature_c, tabled().bakers_gas)


def dissolved_gas_ml_per_g_water(temperature_c: Floats) -> Floats:
    """CO2 that a gram of water holds, ml at room conditions, 0-40 C (after Bunsen coefficients, unverified).

    Parameters
    ----------
    temperature_c : temperature, C, 0-60

    Returns
    -------
    ml of CO2 per g of water, .5-1.8.
    """
    return _at(temperature_c, tabled().dissolved)
