"""Water and its vapour at the kitchen's pressure: what boils when, and how hard dry crumb holds on to its water.

Functions marked compiled take and give single numbers; they are the ones that a bake calls a million times.
"""

from math import exp, log, log1p, log10

from gentle_crust.core.compiled import compiled

LATENT_J_KG = 2.26e6
"""Heat to evaporate a kilogram of water at boiling (textbook)."""
WATER_J_KG_K = 4180.0
W_MIN = 0.015
"""Water that an oven does not drive out, kg per kg of dry matter (estimated)."""
_A, _B, _C = 7.19621, 1730.63, 233.43
"""Antoine constants for water, kPa and C (textbook, from memory)."""
_OSWIN_W, _OSWIN_N = 0.085, 0.31
"""Sorption of Oswin's form at baking heat (estimated: so steep that moist crumb boils within 1 K of water)."""
_LN10 = 2.302585092994046


def pressure_kpa(altitude_m: float) -> float:
    """Air pressure, kPa, at 0-5,000 m (the standard atmosphere).

    Parameters
    ----------
    altitude_m : height above the sea, m, 0-5000

    Returns
    -------
    kPa, 54-101.3: 101.325 (1 - 2.2558e-5 h)^5.2559.
    """
    return float(101.325 * (1 - 2.25577e-5 * altitude_m) ** 5.2559)


def boiling_c(altitude_m: float = 0.0) -> float:
    """Where water boils, C: 100 at the sea, about 93 at 2,000 m.

    Parameters
    ----------
    altitude_m : height above the sea, m, 0-5000

    Returns
    -------
    C.
    """
    return _B / (_A - log10(pressure_kpa(altitude_m))) - _C


@compiled()
def vapour_kpa(temperature_c: float) -> float:
    """Pressure of saturated vapour, kPa. Compiled.

    Parameters
    ----------
    temperature_c : temperature, C, 0-300

    Returns
    -------
    kPa (Antoine's equation).
    """
    return exp(_LN10 * (_A - _B / (_C + temperature_c)))


@compiled()
def vapour_slope(temperature_c: float, saturated_kpa: float) -> float:
    """How fast saturated pressure grows, kPa/K. Compiled.

    Parameters
    ----------
    temperature_c : temperature, C, 0-300
    saturated_kpa : pressure of saturated vapour at that temperature, kPa

    Returns
    -------
    kPa/K.
    """
    return saturated_kpa * (_LN10 * _B) / (_C + temperature_c) ** 2


@compiled()
def thirst(moisture: float) -> float:
    """Oswin's x, (.085/W)^(1/.31), for kg water per kg dry matter: water activity is 1/(1 + x). Compiled.

    Parameters
    ----------
    moisture : water over dry matter, kg/kg, 0-2

    Returns
    -------
    Oswin's x, 0 and more.
    """
    return exp((log(_OSWIN_W) - log(moisture)) / _OSWIN_N)


@compiled()
def moisture_of(activity: float) -> float:
    """Moisture of crumb of a water activity (0-1), the other way round: W = .085 / x^.31. Compiled."""
    return _OSWIN_W * exp(-_OSWIN_N * log(1 / activity - 1))


@compiled()
def boiling_of(x: float, log_pressure: float) -> float:
    """Boiling point, C, of crumb that thirsts by ``x``; ``log_pressure`` is log10 of kPa. Compiled.

    Parameters
    ----------
    x : how the crumb thirsts (Oswin's x), 0 and more
    log_pressure : log10 of the pressure in kPa

    Returns
    -------
    C.
    """
    return _B / (_A - log_pressure - log1p(x) / _LN10) - _C


@compiled()
def boiling_slope(point_c: float, x: float, moisture: float) -> float:
    """How much the boiling point rises as crumb dries, K per kg/kg. Compiled.

    Parameters
    ----------
    point_c : boiling point, C
    x : how the crumb thirsts (Oswin's x), 0 and more
    moisture : water over dry matter, kg/kg, 0-2

    Returns
    -------
    K per kg/kg.
    """
    return (_C + point_c) ** 2 / (_OSWIN_N * _LN10 * _B) * x / ((1 + x) * moisture)
