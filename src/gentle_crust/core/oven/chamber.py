"""The oven around the loaf: air, wall, heater and door; the steam in it and under a lid. Compiled, one step at a time.

SI units, temperatures in C, vapour as a share of the air (0-1).
"""

from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from gentle_crust.core.compiled import compiled
from gentle_crust.core.oven.constants import Numbers
from gentle_crust.core.oven.vapour import LATENT_J_KG, vapour_kpa

Array = NDArray[np.float64]

SIGMA = 5.67e-8
NO_STEAM, BUILT_IN, HOT_STONES, HOT_PAN, TOWELS, WATER_PAN, MIST_LOAF, MIST_WALLS, ICE = range(9)
STEAM_CODES = {
    "none": NO_STEAM,
    "built_in": BUILT_IN,
    "hot_stones_and_water": HOT_STONES,
    "hot_pan": HOT_PAN,
    "soaked_towels": TOWELS,
    "water_pan": WATER_PAN,
    "mist_loaf": MIST_LOAF,
    "mist_walls": MIST_WALLS,
    "ice_in_pot": ICE,
}
DRY_AIR = 0.012
"""Vapour in a kitchen's air."""
_DOOR_AIR_S = 15.0
"""An open door changes the air this fast (estimated)."""
_STONES_KG, _STONES_S = 0.170, 93.0
"""Steam that 3 kg of stones at 260 C make from their own heat, and how fast (tuned to three readings)."""
_PAN_KG, _PAN_S = 0.062, 24.0
_SLOW_KG_S = 8e-3 / 60
_TOWEL_KG_S = 10e-3 / 60
_COLD_TOWEL_S = 540.0
_BUILT_IN_S = 60.0
_ICE_KG_S = 60e-3 / 300
_ICE_FROM_POT = 0.85
_ICE_J_KG = 334e3 + 100 * 4180.0 + LATENT_J_KG


class Oven(NamedTuple):
    """An oven: heat held by air and wall (J/K), wall's skin (m2), loss (W/K), steam's fading (s), heater (W), litres.

    ``store_j_k`` is what lies behind the wall of an oven of brick and gives its heat back through ``store_w_k``, and
    loses some outside; ``radiates`` how strongly its walls shine beside those of an electric one,
    ``draught`` how much its air moves beside it, ``pace`` how fast loaves take up the heat of both.
    ``floor_k`` is how much hotter a burner keeps what stands above it; ``offset_k`` how far over its dial it runs.
    """

    air_j_k: float
    wall_j_k: float
    wall_m2: float
    loss_w_k: float
    steam_s: float
    heater_w: float
    floor_k: float
    offset_k: float
    litres: float
    fired: bool
    store_j_k: float
    store_w_k: float
    store_loss_w_k: float
    radiates: float
    draught: float
    pace: float


class Metal(NamedTuple):
    """A vessel's base or lid for one step: C, J/K, W/K to air and to wall, W from elsewhere."""

    own_c: float
    j_k: float
    to_air: float
    to_wall: float
    given_w: float


@compiled()
def metal(
    own_c: float, j_k: float, area: float, emissivity: float, wind: float, wall_c: float, given_w: float, there: bool
) -> Metal:
    """A vessel's part of ``area`` m2 in air that moves with ``wind`` W/m2 K; not ``there``: it keeps its heat."""
    if not there:
        return Metal(own_c, j_k, 0.0, 0.0, given_w)
    mean = 273.15 + 0.5 * (own_c + wall_c)
    return Metal(own_c, j_k, wind * area, 4 * SIGMA * emissivity * mean**3 * area, given_w)


@compiled()
def after(dt: float, part: Metal, air: float, wall: float) -> float:
    """A part's temperature after ``dt`` s beside air and wall as they are then, C.

    Parameters
    ----------
    dt : length of the step, s
    part : a vessel's part
    air : temperature of the air, C
    wall : temperature of the wall, C

    Returns
    -------
    C: the part's own heat balance, backward in time.
    """
    held = part.j_k / dt
    warm = part.to_air * air + part.to_wall * wall + part.given_w
    return (held * part.own_c + warm) / (held + part.to_air + part.to_wall)


@compiled()
def joined_at(
    dt: float, face: float, behind: float, face_j_k: float, behind_j_k: float, joint_w_k: float, there: bool
) -> tuple[float, float]:
    """A face and what lies behind it after ``dt`` s, C: heat flows between them and none is lost.

    Parameters
    ----------
    dt : length of the step, s
    face : temperature of the face, C
    behind : temperature of what lies behind, C
    face_j_k : heat capacity of the face, J/K
    behind_j_k : heat capacity of what lies behind, J/K
    joint_w_k : conductance between both, W/K
    there : whether it is in the oven

    Returns
    -------
    Face and behind, C.
    """
    if not there or behind_j_k <= 0:
        return face, behind
    evens = joint_w_k * (1 / face_j_k + 1 / behind_j_k)
    moved_j = (behind - face) / (1 / face_j_k + 1 / behind_j_k) * (1 - np.exp(-dt * evens))
    return face + moved_j / face_j_k, behind - moved_j / behind_j_k


@compiled()
def heat(
    dt: float,
    air: float,
    wall: float,
    oven: Oven,
    setpoint: float,
    fan: bool,
    door_s: float,
    base: Metal,
    lid: Metal,
    to_air: float,
    to_wall: float,
    room_c: float,
    numbers: Numbers,
) -> tuple[float, float, float, float]:
    """Air and wall after ``dt`` s, W of the heater, W lost; implicit, vessels and the heater's band included.

    ``to_air`` and ``to_wall`` are W from loaf and steam (negative: drawn). A set point of 0 is off.
    """
    c = numbers.chamber
    h = (c.wall_fan if fan else c.wall_still) * oven.wall_m2
    door = c.door_w_k * min(door_s / dt, 1.0)
    part = c.heater_to_air_fan if fan else c.heater_to_air
    a11, a12, a22 = oven.air_j_k / dt + h + door, h, oven.wall_j_k / dt + h + oven.loss_w_k
    b1 = oven.air_j_k / dt * air + door * room_c + to_air
    b2 = oven.wall_j_k / dt * wall + oven.loss_w_k * room_c + to_wall
    for one in (base, lid):
        held = one.j_k / dt
        whole = held + one.to_air + one.to_wall
        a11 += one.to_air - one.to_air**2 / whole
        a22 += one.to_wall - one.to_wall**2 / whole
        a12 += one.to_air * one.to_wall / whole
        b1 += one.to_air * (held * one.own_c + one.given_w) / whole
        b2 += one.to_wall * (held * one.own_c + one.given_w) / whole
    det = a11 * a22 - a12 * a12
    air0, wall0 = (a22 * b1 + a12 * b2) / det, (a11 * b2 + a12 * b1) / det
    air1, wall1 = (a22 * part + a12 * (1 - part)) / det, (a11 * (1 - part) + a12 * part) / det
    power = 0.0
    if setpoint > 0 and oven.heater_w > 0:
        # The sensor feels half air, half wall.
        felt0, felt1 = 0.5 * (air0 + wall0), 0.5 * (air1 + wall1)
        power = oven.heater_w * (setpoint + oven.offset_k - felt0) / (c.band_k + oven.heater_w * felt1)
        power = min(max(power, 0.0), oven.heater_w)
    air, wall = air0 + air1 * power, wall0 + wall1 * power
    return air, wall, power, door * (air - room_c) + oven.loss_w_k * (wall - room_c)


@compiled()
def steam_made(
    kind: int, water_kg: float, since_s: float, dt: float, steaming: bool, wall_c: float, stones: float
) -> tuple[float, float, float]:
    """Steam of one source, kg/s; W that it draws from the oven; W that it draws from the pot.

    ``since_s`` counts from when the source was put to work, ``stones`` is how hot stones or pan were then
    (1 at 260 C), ``steaming`` whether it is still in. Figures of each source: see docs/models.
    """
    end = since_s + dt
    if end <= 0 or water_kg <= 0 or kind in (NO_STEAM, MIST_LOAF):
        return 0.0, 0.0, 0.0
    since = max(since_s, 0.0)
    hot = min(max((wall_c - 100) / 130, 0.0), 1.2)
    if kind == MIST_WALLS:
        rate = water_kg / dt if since_s <= 0 else 0.0
        return rate, 0.5 * rate * LATENT_J_KG, 0.0
    if kind == ICE:
        rate = _ICE_KG_S if since * _ICE_KG_S < water_kg else 0.0
        return rate, 0.0, _ICE_FROM_POT * rate * _ICE_J_KG
    if not steaming:
        return 0.0, 0.0, 0.0
    if kind == BUILT_IN:
        return max(min(end, _BUILT_IN_S) - since, 0.0) / _BUILT_IN_S * water_kg / dt, 0.0, 0.0
    if kind in (HOT_STONES, HOT_PAN):
        most = min((_STONES_KG if kind == HOT_STONES else _PAN_KG) * stones, water_kg)
        pace = _STONES_S if kind == HOT_STONES else _PAN_S
        flash = most * (np.exp(-since / pace) - np.exp(-end / pace)) / dt
        used = most * (1 - np.exp(-since / pace)) + _SLOW_KG_S * since
        slow = _SLOW_KG_S * hot if used < water_kg else 0.0
        return flash + slow, slow * LATENT_J_KG, 0.0
    full = _TOWEL_KG_S if kind == TOWELS else _SLOW_KG_S
    warm = min(since / _COLD_TOWEL_S, 1.0) ** 2
    rate = full * hot * warm if full * since < water_kg else 0.0
    return rate, rate * LATENT_J_KG, 0.0


@compiled()
def mix(
    share: float, made_kg_s: float, litres: float, air_c: float, gone_s: float, outside: float, dt: float, kpa: float
) -> float:
    """Vapour's share after ``dt`` s in ``litres`` that gain ``made_kg_s`` (or lose, by condensing) and exchange
    ``gone_s`` of their air a second with ``outside``; never above saturation."""
    pace = made_kg_s / (0.2194 * litres / (air_c + 273.15))
    gained, lost = max(pace, 0.0), max(-pace, 0.0)
    new = (share + dt * (gained + gone_s * outside)) / (1 + dt * (gained + gone_s + lost))
    return min(new, 1.0, vapour_kpa(min(air_c, 130.0)) / kpa)


@compiled()
def door_change(door_s: float, dt: float) -> float:
    """Share of the chamber's air that an open door changes, per second of the step."""
    return min(door_s / dt, 1.0) / _DOOR_AIR_S
