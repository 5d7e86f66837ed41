"""Heat and water inside the loaf: one step of conduction, drying and boiling. Compiled.

The rings run skin to middle to base; SI units, C. What a step returns as heat taken in and water given off is
what the rings have gained and lost, to rounding.
"""

from typing import NamedTuple

import numpy as np

from gentle_crust.core.compiled import compiled
from gentle_crust.core.oven.chamber import SIGMA, Array
from gentle_crust.core.oven.constants import Crumb, Numbers
from gentle_crust.core.oven.vapour import (
    LATENT_J_KG,
    W_MIN,
    WATER_J_KG_K,
    boiling_of,
    boiling_slope,
    moisture_of,
    thirst,
    vapour_kpa,
    vapour_slope,
)

_PSYCHROMETER_KPA_K = 0.065
_BOILS_DRY_K = 2.0
"""Over so many K a ring that boils could give off all its water in one step."""
_DRY_SKIN = 0.3
"""Moisture (kg/kg) below which a skin takes up vapour as dry things do."""


class Piece(NamedTuple):
    """One piece in numbers: dry kg, share of volume, width (m) of each ring, area over distance (m) between rings,
    skins (m2), how it conducts, starts and browns."""

    dry_kg: Array
    share: Array
    width_m: Array
    gap: Array
    top_m2: float
    base_m2: float
    middle: int
    shape_factor: float
    dry_factor: float
    density: float
    moisture_0: float
    pace: float


class Around(NamedTuple):
    """What the loaf meets: air, what it sees, base (C), W/m2 K of moving air, vapour (kPa), how much the vapour
    rises for each W/m2 with which the skin dries (kPa), and contact: factor, factor when dry, the vessel's own.

    ``shine`` is what glowing elements send it, W/m2; ``exchange`` its emissivity against what it sees."""

    air_c: float
    seen_c: float
    shine: float
    exchange: float
    base_c: float
    wind: float
    vapour_kpa: float
    yields: float
    contact: float
    dry_extra: float
    inner: float


@compiled()
def solve(link: Array, main: Array, right: Array) -> None:
    """A symmetric tridiagonal system with off-diagonals ``-link``: the answer replaces ``right``; ``main`` is spent.

    Parameters
    ----------
    link : links between neighbours (off-diagonals, negative)
    main : the diagonal; it is spent
    right : the right side; the answer takes its place

    Returns
    -------
    Nothing; ``right`` holds the answer (Thomas's algorithm).
    """
    last = len(main) - 1
    for i in range(last):
        share = link[i] / main[i]
        main[i + 1] -= share * link[i]
        right[i + 1] += share * right[i]
    right[last] /= main[last]
    for i in range(last - 1, -1, -1):
        right[i] = (right[i] + link[i] * right[i + 1]) / main[i]


@compiled()
def damp(moisture: float) -> float:
    """How moist crumb is, 0 (crust) to 1.

    Parameters
    ----------
    moisture : water over dry matter, kg/kg, 0-2

    Returns
    -------
    A share, 0-1.
    """
    return min(max((moisture - 0.06) / 0.24, 0.0), 1.0)


@compiled()
def conductivity(t: float, moisture: float, piece: Piece, crumb: Crumb) -> float:
    """W/m K: moist crumb carries heat by vapour too, dry crust hardly any.

    Parameters
    ----------
    t : temperature of each ring, C, or of one
    moisture : water over dry matter, kg/kg, 0-2
    piece : the piece's rings: volumes (m3), distances (m), skins (m2)
    crumb : constants of the crumb

    Returns
    -------
    W/m K, .07-.7 (after Purlis and Salvadori 2009, unverified).
    """
    dry = crumb.conductivity_dry * piece.dry_factor
    moist = piece.shape_factor * (crumb.conductivity + crumb.conductivity_steam / (1 + np.exp(0.1 * (65 - t))))
    return float(dry + (moist - dry) * damp(moisture))


@compiled()
def at_rest(surface: float, around_kpa: float) -> float:
    """Moisture (kg/kg) at which a skin neither dries nor takes up water from vapour of ``around_kpa``.

    Parameters
    ----------
    surface : moisture of the skin, kg/kg
    around_kpa : vapour's pressure around the skin, kPa

    Returns
    -------
    kg/kg (Oswin's isotherm).
    """
    activity = min(max(around_kpa / vapour_kpa(surface), 1e-6), 0.999)
    return max(moisture_of(activity), W_MIN)


@compiled()
def taken_up(surface: float, moisture: float, rests: float, around_kpa: float, warms_k: float) -> float:
    """Water (kg/kg) that a dry skin takes up from vapour before the heat of it, ``warms_k`` K per kg/kg, stops that.

    Parameters
    ----------
    surface : moisture of the skin, kg/kg
    moisture : water over dry matter, kg/kg, 0-2
    rests : moisture at which it rests, kg/kg
    around_kpa : vapour's pressure around the skin, kPa
    warms_k : by how much taking up water warms it, K per kg/kg

    Returns
    -------
    kg/kg.
    """
    low, high = 0.0, max(rests - moisture, 0.0)
    log_vapour = np.log10(max(around_kpa, 0.1))
    for _ in range(14):
        middle = 0.5 * (low + high)
        if surface + warms_k * middle < boiling_of(thirst(moisture + middle), log_vapour):
            low = middle
        else:
            high = middle
    return low


@compiled()
def step(
    dt: float,
    t: Array,
    w: Array,
    film_kg: float,
    piece: Piece,
    around: Around,
    kpa: float,
    numbers: Numbers,
    work: Array,
) -> tuple[float, float, float, float, float, float, float]:
    """Advance temperatures ``t`` and moisture ``w`` (both replaced) by ``dt`` s. ``work`` is room for 5 x rings.

    Returns the film (kg); W taken from air, from what is seen, from the base; kg/s boiled and dried from the skin
    (negative: condensed); J that the water took along.
    """
    count, last = len(t), len(t) - 1
    crumb, skin = numbers.crumb, numbers.skin
    sensible, capacity, main, right, link = work[0], work[1], work[2], work[3], work[4]
    log_kpa = np.log10(kpa)
    dry_heat = crumb.dry_matter_j_kg_k
    k_before = 0.0
    for i in range(count):
        sensible[i] = piece.dry_kg[i] * (dry_heat + WATER_J_KG_K * w[i]) + (film_kg * WATER_J_KG_K if i == 0 else 0.0)
        x = thirst(w[i])
        point = boiling_of(x, log_kpa)
        capacity[i] = sensible[i]
        if t[i] > point - 0.5:
            # A ring boils as long as it has water: what is nearly dry soon warms instead.
            boils = LATENT_J_KG * piece.dry_kg[i] / boiling_slope(point, x, w[i])
            lasts = LATENT_J_KG * piece.dry_kg[i] * max(w[i] - W_MIN, 0.0) / _BOILS_DRY_K
            capacity[i] += min(boils, lasts)
        k = conductivity(t[i], w[i], piece, crumb)
        if i > 0:
            link[i - 1] = piece.gap[i - 1] * 2 * k * k_before / (k + k_before)
        k_before = k
    # The top: air, radiation, and water that condenses or dries.
    surface = t[0]
    radiant = 4 * SIGMA * around.exchange * (273.15 + 0.5 * (surface + around.seen_c)) ** 3
    latent, slope = drying(surface, w[0], film_kg, around, kpa, log_kpa, skin.dries)
    # The base: through moist or dry contact and the vessel's own resistance.
    wet = damp(w[last])
    touch = around.contact * (wet * skin.contact_wet + (1 - wet) * skin.contact_dry * around.dry_extra)
    touch = touch * around.inner / (touch + around.inner) * piece.base_m2
    rests = at_rest(surface, around.vapour_kpa)
    free = film_kg + max(w[0] - rests, 0.0) * piece.dry_kg[0]
    # Steam condenses freely on a moist skin; a dry one takes up only what it wants, and warms until it wants no more.
    takes = 1e9
    if film_kg <= 0 and w[0] < _DRY_SKIN:
        takes = taken_up(surface, w[0], rests, around.vapour_kpa, LATENT_J_KG * piece.dry_kg[0] / sensible[0])
        takes *= piece.dry_kg[0]
    for attempt in range(10):
        for i in range(count):
            main[i] = capacity[i] / dt
            right[i] = main[i] * t[i]
        for i in range(last):
            main[i] += link[i]
            main[i + 1] += link[i]
        main[0] += piece.top_m2 * (around.wind + radiant + slope)
        right[0] += piece.top_m2 * (around.wind * around.air_c + radiant * around.seen_c + around.shine)
        right[0] -= piece.top_m2 * (latent - slope * surface)
        main[last] += touch
        right[last] += touch * around.base_c
        solve(link, main, right)
        wanted = piece.top_m2 * (latent + slope * (right[0] - surface)) * dt / LATENT_J_KG
        if attempt == 9:
            break
        again = False
        if wanted > free * (1 + 1e-9):
            # The skin gives what it has, and no more.
            latent, slope, again = free * LATENT_J_KG / (dt * piece.top_m2), 0.0, True
        if wanted < -takes * (1 + 1e-9) - 1e-15:
            latent, slope, again = -takes * LATENT_J_KG / (dt * piece.top_m2), 0.0, True
        for i in range(count):
            if capacity[i] > sensible[i] and right[i] < t[i]:
                # What cools does not boil.
                capacity[i], again = sensible[i], True
        if not again:
            break
    from_air = piece.top_m2 * around.wind * (around.air_c - right[0])
    from_seen = piece.top_m2 * (radiant * (around.seen_c - right[0]) + around.shine)
    from_base = touch * (around.base_c - right[last])
    for i in range(count):
        t[i] += capacity[i] * (right[i] - t[i]) / sensible[i]
    # Drying takes the film first, then the skin's own water; what it could not take stays as heat.
    dried = min(wanted, free)
    t[0] += (wanted - dried) * LATENT_J_KG / sensible[0]
    from_film = min(max(dried, 0.0), film_kg)
    film_kg -= from_film
    w[0] -= (dried - from_film) / piece.dry_kg[0]
    over = max(w[0] - 1.05 * piece.moisture_0, 0.0)
    w[0] -= over
    film_kg += over * piece.dry_kg[0]
    taken_j = dried * (LATENT_J_KG + WATER_J_KG_K * t[0])
    seep(dt, t, w, film_kg, piece, crumb, work)
    for i in range(count):
        sensible[i] = piece.dry_kg[i] * (dry_heat + WATER_J_KG_K * w[i]) + (film_kg * WATER_J_KG_K if i == 0 else 0.0)
    boiled = 0.0
    free_boiling = boiling_of(0.0, log_kpa)
    if film_kg > 0 and t[0] > free_boiling:
        gone = min(film_kg, (t[0] - free_boiling) * sensible[0] / LATENT_J_KG)
        t[0] -= gone * LATENT_J_KG / sensible[0]
        film_kg -= gone
        sensible[0] -= gone * WATER_J_KG_K
        boiled += gone
        taken_j += gone * (LATENT_J_KG + WATER_J_KG_K * t[0])
    for i in range(count):
        away = boil(t[i], w[i], LATENT_J_KG * piece.dry_kg[i] / sensible[i], log_kpa)
        if away > 0:
            t[i] -= LATENT_J_KG * piece.dry_kg[i] / sensible[i] * away
            w[i] -= away
            boiled += away * piece.dry_kg[i]
            taken_j += away * piece.dry_kg[i] * (LATENT_J_KG + WATER_J_KG_K * t[i])
    return film_kg, from_air, from_seen, from_base, boiled / dt, dried / dt, taken_j


@compiled()
def drying(
    surface: float, moisture: float, film_kg: float, around: Around, kpa: float, log_kpa: float, dries: float
) -> tuple[float, float]:
    """Latent heat from the skin, W/m2, and its slope; negative while steam condenses on it."""
    x = thirst(moisture)
    if surface >= boiling_of(x, log_kpa):
        return 0.0, 0.0
    activity = 1.0 if film_kg > 0 else 1 / (1 + x)
    saturated = vapour_kpa(surface)
    between = min(0.5 * (activity * saturated + around.vapour_kpa), 0.999 * kpa)
    flow = dries * around.wind / _PSYCHROMETER_KPA_K * min(4.0, kpa / (kpa - between))
    flow /= 1 + flow * around.yields
    return flow * (activity * saturated - around.vapour_kpa), flow * activity * vapour_slope(surface, saturated)


@compiled()
def boil(t: float, moisture: float, fall: float, log_kpa: float) -> float:
    """Water (kg/kg) to evaporate for crumb at ``t`` to come back to its boiling point; ``fall`` is K per kg/kg.

    Parameters
    ----------
    t : temperature of each ring, C, or of one
    moisture : water over dry matter, kg/kg, 0-2
    fall : by how much boiling cools it, K per kg/kg
    log_kpa : log10 of the pressure of the air in kPa

    Returns
    -------
    kg/kg.
    """
    point = boiling_of(thirst(moisture), log_kpa)
    if t <= point:
        return 0.0
    low, high = 0.0, max(moisture - W_MIN, 0.0)
    away = 0.0
    for _ in range(12):
        left = moisture - away
        x = thirst(left)
        point = boiling_of(x, log_kpa)
        over = t - fall * away - point
        if over > 0:
            low = away
        else:
            high = away
        if abs(over) < 1e-3:
            break
        away += over / (fall + boiling_slope(point, x, left))
        if away < low or away > high:
            away = 0.5 * (low + high)
    return away


@compiled()
def seep(dt: float, t: Array, w: Array, film_kg: float, piece: Piece, crumb: Crumb, work: Array) -> None:
    """Liquid water moves to the drier neighbour and takes its warmth along."""
    count, last = len(t), len(t) - 1
    main, right, link, energy = work[2], work[3], work[4], work[1]
    for i in range(count):
        main[i] = piece.dry_kg[i] / dt
        right[i] = main[i] * w[i]
        heat = piece.dry_kg[i] * (crumb.dry_matter_j_kg_k + WATER_J_KG_K * w[i])
        energy[i] = (heat + (film_kg * WATER_J_KG_K if i == 0 else 0.0)) * t[i]
    for i in range(last):
        link[i] = crumb.liquid_m2_s * piece.density * piece.gap[i] * damp(w[i]) * damp(w[i + 1])
        main[i] += link[i]
        main[i + 1] += link[i]
    solve(link, main, right)
    for i in range(last):
        flow = link[i] * (right[i] - right[i + 1]) * dt
        warmth = WATER_J_KG_K * flow * (t[i] if flow > 0 else t[i + 1])
        energy[i] -= warmth
        energy[i + 1] += warmth
    for i in range(count):
        w[i] = right[i]
        heat = piece.dry_kg[i] * (crumb.dry_matter_j_kg_k + WATER_J_KG_K * w[i])
        t[i] = energy[i] / (heat + (film_kg * WATER_J_KG_K if i == 0 else 0.0))
