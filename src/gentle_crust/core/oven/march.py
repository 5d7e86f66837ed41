"""The bake from the first minute of heating to the last in the oven. Compiled."""

from typing import Any, NamedTuple

import numpy as np

from gentle_crust.core.compiled import compiled
from gentle_crust.core.oven.chamber import (
    DRY_AIR,
    HOT_PAN,
    HOT_STONES,
    SIGMA,
    Array,
    Oven,
    after,
    door_change,
    heat,
    joined_at,
    metal,
    mix,
    steam_made,
)
from gentle_crust.core.oven.constants import Numbers, Spring
from gentle_crust.core.oven.heating import Around, Piece, step
from gentle_crust.core.oven.vapour import LATENT_J_KG, WATER_J_KG_K, boiling_of, thirst, vapour_kpa

_HEAT = ("minutes", "setpoint", "chamber", "wall", "vessel", "lid", "crust", "core", "base")
LINES = (*_HEAT, "vapour", "loss", "colour", "base_colour", "crust_mm", "spring")
"""What is kept at each step, in this order."""
TOTALS = ("skin_set_min", "moist_over_boiling_k", "energy_gap_j", "water_gap_kg", "heater_j", "lost_j")
_FINE_S, _COARSE_S = 2.0, 8.0
_FINE_MIN, _FINE_AGAIN_MIN = 8.0, 2.5
_PREHEAT_S = 60.0
_UNSOAKED, _SOAK_MIN = 0.25, 30.0
"""How far bricks lag behind their face as the fire is raked out, share, and how fast that evens out (estimated)."""
_BEYOND, _LEAST_LAST_MIN = 1.08, 5.5
"""A bake with a goal goes on so far beyond it, and its last stage lasts at least so long, min."""
_SKIN_M = 0.1e-3
"""What gives way as a loaf springs, or has set."""
BEGUN = 28
"""So many numbers say how a bake stands beside its loaf's rings."""
_GAS, _BROWN_AT_K = 8.314, 453.0


class Pot(NamedTuple):
    """The vessels in use together: heat (J/K) and skin (m2) of base and lid, contact with the loaf, air inside.

    A stone or a floor is two nodes: the base that the loaf stands on, and what lies under it (J/K) and how well the
    two are joined (W/K); thin metal is one, and ``under_j_k`` 0.
    """

    base_j_k: float
    base_m2: float
    lid_j_k: float
    lid_m2: float
    emissivity: float
    lid_emissivity: float
    contact: float
    dry_extra: float
    inner: float
    seen_wall: float
    free_l: float
    leak_s: float
    has_lid: bool
    base_hot: bool
    base_c: float
    lid_hot: bool
    under_j_k: float
    under_w_k: float


class Course(NamedTuple):
    """What is done when: stages by their ends (min from loading), steam, and the kitchen.

    ``floor_c`` and ``dome_c``: what a fired oven, and a vessel that was heated in it, begin with.
    """

    preheat_min: float
    preheat_c: float
    preheat_fan: bool
    floor_c: float
    dome_c: float
    soaked_min: float
    ends: Array
    setpoints: Array
    covered: Array
    fans: Array
    grills: Array
    vent_min: float
    steam_kind: Any
    steam_kg: Array
    steam_min: Array
    film_kg: float
    start_c: float
    pieces: float
    room_c: float
    kpa: float


@compiled()
def _grown(t: float, start_c: float, kpa: float, spring: Spring) -> float:
    """What the gas in crumb at ``t`` wants to have grown to since loading."""
    t = min(t, spring.set_c)
    freed = min(max((t - start_c) / max(60.0 - start_c, 1.0), 0.0), 1.0)
    p0, p = vapour_kpa(start_c), vapour_kpa(t)
    return (t + 273.15) / (start_c + 273.15) * (kpa - p0) / (kpa - p) * (1 + spring.co2 * freed)


@compiled()
def _browning(t: float, moisture: float, numbers: Numbers) -> float:
    """Browning per second of a skin, 0 while it is moist or below 100 C."""
    c = numbers.browning
    dryness = 1 - (1 / (1 + thirst(moisture)) / c.dry_below) ** 2
    if t <= 100 or dryness <= 0:
        return 0.0
    return float(c.rate_per_s * dryness * np.exp(-c.activation_j_mol / _GAS * (1 / (t + 273.15) - 1 / _BROWN_AT_K)))


@compiled(nogil=True)
def march(
    piece: Piece,
    pot: Pot,
    oven: Oven,
    course: Course,
    numbers: Numbers,
    keep: Array,
    totals: Array,
    begun: Array,
    rings: Array,
    go_on: bool,
    goal: Array,
) -> int:
    """Bake; fills a row of ``keep`` (LINES) for each step and ``totals`` (TOTALS). Returns the number of rows.

    How everything stands as the last stage begins is left in ``begun`` (BEGUN) and ``rings`` (3 x rings); with
    ``go_on`` the bake goes on from what is left there, and from the rows that ``keep`` has. Once core (C),
    colour and loss of ``goal`` are all there it goes on for a little only; a goal of nothing is none.
    """
    chamber, still, moving, under = numbers.chamber, numbers.skin.still, numbers.skin.fan, numbers.skin.covered
    count, kpa, room = len(piece.dry_kg), course.kpa, course.room_c
    t, w = np.full(count, course.start_c), np.full(count, piece.moisture_0)
    work = np.zeros((5, count))
    best = np.ones(count)
    air, wall, base, lid = room, room, room, room
    if oven.fired:
        air, wall = course.dome_c, course.dome_c
        base = course.floor_c if pot.base_hot else room
        lid = course.dome_c if pot.lid_hot else room
    under_c = base
    # Fired for a short time, the bricks are not yet hot throughout.
    store = room + (air - room) * (1 - _UNSOAKED * np.exp(-course.soaked_min / _SOAK_MIN))
    vapour, under_lid, film = DRY_AIR, DRY_AIR, course.film_kg
    to_air, to_seen, to_base, boiled = 0.0, 0.0, 0.0, 0.0
    stones, brown, base_brown, growth, set_min, moist_over = 0.0, 0.0, 0.0, 0.0, -1.0, -99.0
    heater_j, lost_j, taken_in, taken_out, gone_kg, glow_w = 0.0, 0.0, 0.0, 0.0, 0.0, 0.0
    dough_kg = piece.dry_kg.sum() * (1 + piece.moisture_0)
    start_j = (
        piece.dry_kg * (numbers.crumb.dry_matter_j_kg_k + WATER_J_KG_K * piece.moisture_0)
    ).sum() * course.start_c
    start_j += film * WATER_J_KG_K * course.start_c
    start_water = dough_kg - piece.dry_kg.sum() + film
    point = boiling_of(0.0, np.log10(kpa))
    rows, stage, since_door = 0, 0, 0.0
    minute, end = -course.preheat_min, course.ends[-1]
    loaded, saved = False, go_on or len(course.ends) < 2
    if go_on:
        air = begun[0]
        wall = begun[1]
        base = begun[2]
        lid = begun[3]
        under_c = begun[4]
        store = begun[5]
        vapour = begun[6]
        under_lid = begun[7]
        film = begun[8]
        to_air = begun[9]
        to_seen = begun[10]
        to_base = begun[11]
        boiled = begun[12]
        stones = begun[13]
        brown = begun[14]
        base_brown = begun[15]
        growth = begun[16]
        set_min = begun[17]
        moist_over = begun[18]
        heater_j = begun[19]
        lost_j = begun[20]
        taken_in = begun[21]
        taken_out = begun[22]
        gone_kg = begun[23]
        glow_w = begun[24]
        since_door = begun[25]
        minute = begun[26]
        rows, stage, loaded = int(begun[27]), len(course.ends) - 2, True
        for i in range(count):
            t[i], w[i], best[i] = rings[0, i], rings[1, i], rings[2, i]
    while True:
        if not saved and loaded and minute >= course.ends[-2] - 1e-9:
            saved = True
            begun[0] = air
            begun[1] = wall
            begun[2] = base
            begun[3] = lid
            begun[4] = under_c
            begun[5] = store
            begun[6] = vapour
            begun[7] = under_lid
            begun[8] = film
            begun[9] = to_air
            begun[10] = to_seen
            begun[11] = to_base
            begun[12] = boiled
            begun[13] = stones
            begun[14] = brown
            begun[15] = base_brown
            begun[16] = growth
            begun[17] = set_min
            begun[18] = moist_over
            begun[19] = heater_j
            begun[20] = lost_j
            begun[21] = taken_in
            begun[22] = taken_out
            begun[23] = gone_kg
            begun[24] = glow_w
            begun[25] = since_door
            begun[26] = minute
            begun[27] = rows
            for i in range(count):
                rings[0, i], rings[1, i], rings[2, i] = t[i], w[i], best[i]
        if not loaded and minute >= -1e-9:
            loaded, minute, since_door = True, 0.0, 0.0
            base = base if pot.base_hot else max(pot.base_c, room)
            under_c = under_c if pot.base_hot else base
            lid = lid if pot.lid_hot else room
        while loaded and stage < len(course.ends) - 1 and minute >= course.ends[stage] - 1e-9:
            since_door = since_door if course.covered[stage] <= course.covered[stage + 1] else 0.0
            stage += 1
        covered = loaded and course.covered[stage] > 0 and pot.has_lid
        setpoint = course.setpoints[stage] if loaded else course.preheat_c
        fan = course.fans[stage] > 0 if loaded else course.preheat_fan
        # Keep how things stand.
        dry_mm, water = 0.0, film
        for i in range(count):
            water += w[i] * piece.dry_kg[i]
            if i < piece.middle:
                dry_mm += min(max((0.30 - w[i]) / 0.20, 0.0), 1.0) * piece.width_m[i] * 1000
        row = keep[rows]
        row[0], row[1], row[2], row[3], row[4], row[5] = minute, setpoint, air, wall, base, lid
        row[6], row[7], row[8] = t[0], t[piece.middle], t[count - 1]
        row[9] = under_lid if covered else vapour
        row[10] = 1 - (piece.dry_kg.sum() + water) / dough_kg
        row[11], row[12] = 100 * (1 - np.exp(-brown)), 100 * (1 - np.exp(-base_brown))
        row[13], row[14] = dry_mm * numbers.crust.share_of_dry, 100 * (1 - np.exp(-growth / numbers.spring.reach))
        rows += 1
        if loaded and goal[0] > 0 and row[7] >= goal[0] and row[11] >= goal[1] and row[10] >= goal[2]:
            least = course.ends[-2] + _LEAST_LAST_MIN if len(course.ends) > 1 else _LEAST_LAST_MIN
            end = min(end, max(_BEYOND * minute + 1.5, least))
        if loaded and minute >= end - 1e-9:
            break
        # The next step.
        if not loaded:
            dt = min(_PREHEAT_S, -minute * 60)
        else:
            fine = since_door < (_FINE_MIN if stage == 0 else _FINE_AGAIN_MIN) - 1e-9
            dt = min(_FINE_S if fine else _COARSE_S, (course.ends[stage] - minute) * 60)
        first = chamber.load_s if stage == 0 else chamber.uncover_s
        door_s = max(first - since_door * 60, 0.0) if loaded else 0.0
        steaming = minute < course.vent_min - 1e-9
        made, drawn, from_pot = 0.0, 0.0, 0.0
        for i in range(len(course.steam_kind)):
            kind = course.steam_kind[i]
            since = (minute - course.steam_min[i]) * 60
            if kind in (HOT_STONES, HOT_PAN) and since <= 0:
                stones = min(max((wall - 100) / 160, 0.0), 1.0)
            kg_s, oven_w, pot_w = steam_made(kind, course.steam_kg[i], since, dt, steaming, wall, stones)
            if pot_w > 0:
                # Ice takes from the pot what the pot has, and melts while there is any.
                share = min(max((base - 100) * pot.base_j_k / (2 * dt * pot_w), 0.0), 1.0) if loaded else 0.0
                kg_s, pot_w = kg_s * share, pot_w * share
            made, drawn, from_pot = made + kg_s, drawn + oven_w, from_pot + pot_w
        # Vessel and lid against air and wall, and what the loaf took during the last step.
        wind = chamber.vessel_fan if fan else chamber.vessel_still
        give_air, give_wall, lid_w = 0.0, -drawn, 0.0
        base_w = -to_base - from_pot
        if covered:
            lid_w -= (1 - pot.seen_wall) * (to_air + to_seen)
            base_w -= pot.seen_wall * (to_air + to_seen)
        else:
            base_w -= pot.seen_wall * to_seen
            give_air -= to_air
            give_wall -= (1 - pot.seen_wall) * to_seen
        base_in = loaded or pot.base_hot
        lid_in = pot.has_lid and (covered or (not loaded and pot.lid_hot))
        if base_in:
            # A burner below gives the base more than the walls do.
            warmer = 4 * SIGMA * pot.emissivity * (base + 273.15) ** 3 * pot.base_m2 * oven.floor_k
            base_w, give_wall = base_w + warmer, give_wall - warmer
        low = metal(base, pot.base_j_k, pot.base_m2, pot.emissivity, wind, wall, base_w, base_in)
        top = metal(lid, pot.lid_j_k, pot.lid_m2, pot.lid_emissivity, wind, wall, lid_w, lid_in)
        air, wall, power, lost = heat(
            dt, air, wall, oven, setpoint, fan, door_s, low, top, give_air, give_wall, room, numbers
        )
        base, lid = after(dt, low, air, wall), after(dt, top, air, wall)
        base, under_c = joined_at(dt, base, under_c, pot.base_j_k, pot.under_j_k, pot.under_w_k, base_in)
        wall, store = joined_at(dt, wall, store, oven.wall_j_k, oven.store_j_k, oven.store_w_k, True)
        if oven.store_j_k > 0:
            gone_j = dt * oven.store_loss_w_k * (store - room)
            store, lost_j = store - gone_j / oven.store_j_k, lost_j + gone_j
        heater_j += dt * power
        glow_w = power * chamber.glow * (1 - (chamber.heater_to_air_fan if fan else chamber.heater_to_air))
        lost_j += dt * lost
        gone_s = 1 / oven.steam_s + door_change(door_s, dt)
        inside_c = (1 - pot.seen_wall) * lid + pot.seen_wall * base
        if not loaded:
            vapour = mix(vapour, made, oven.litres, air, gone_s, DRY_AIR, dt, kpa)
            under_lid = vapour
            minute += dt / 60
            continue
        # The loaf, with the vapour that what boils inside it and the steam will have made.
        steam = made + boiled * course.pieces
        if covered:
            share = mix(under_lid, steam, pot.free_l, inside_c, 1 / pot.leak_s, vapour, dt, kpa)
            full, fade = 0.2194 * pot.free_l / (inside_c + 273.15), 1 / pot.leak_s
            seen, around_air, blow, shine = inside_c, inside_c, under, 0.0
            shiny = (1 - pot.seen_wall) * pot.lid_emissivity + pot.seen_wall * pot.emissivity
            exchange = 1 / (1 / numbers.skin.emissivity + 1 / shiny - 1)
        else:
            share = mix(vapour, steam, oven.litres, air, gone_s, DRY_AIR, dt, kpa)
            full, fade = 0.2194 * oven.litres / (air + 273.15), 1 / oven.steam_s
            seen, around_air = (1 - pot.seen_wall) * wall + pot.seen_wall * base, air
            blow = oven.pace * (moving if fan else still * oven.draught)
            shine, exchange = glow_w / max(oven.wall_m2 + piece.top_m2 * course.pieces, 1e-6), numbers.skin.emissivity
            if course.grills[stage] > 0:
                shine, heater_j = shine + chamber.grill_w_m2, heater_j + dt * chamber.grill_w
            exchange *= oven.radiates * oven.pace
            shine *= exchange
        yields = kpa * piece.top_m2 * course.pieces * (1 - share) / (LATENT_J_KG * full * (1 / dt + fade))
        around = Around(
            around_air, seen, shine, exchange, base, blow, share * kpa, yields, pot.contact, pot.dry_extra, pot.inner
        )
        film, take_air, take_seen, take_base, boiled, dried, water_j = step(
            dt, t, w, film, piece, around, kpa, numbers, work
        )
        taken_in += dt * (take_air + take_seen + take_base)
        taken_out += water_j
        gone_kg += dt * (boiled + dried)
        to_air, to_seen, to_base = (
            take_air * course.pieces,
            take_seen * course.pieces,
            take_base * course.pieces,
        )
        steam = made + (boiled + dried) * course.pieces
        outer = 0.0 if covered else steam
        vapour = mix(vapour, outer, oven.litres, air, gone_s, DRY_AIR, dt, kpa)
        under_lid = mix(under_lid, steam, pot.free_l, inside_c, 1 / pot.leak_s, vapour, dt, kpa) if covered else vapour
        # What the heat has done.
        skin_w, deep, skin_kg = 0.0, 0.0, 0.0
        for i in range(piece.middle):
            if deep < _SKIN_M:
                skin_w, skin_kg = skin_w + w[i] * piece.dry_kg[i], skin_kg + piece.dry_kg[i]
            deep += piece.width_m[i]
        soft = min(max((skin_w / skin_kg / piece.moisture_0 - 0.15) / 0.35, 0.0), 1.0)
        for i in range(count):
            grown = _grown(t[i], course.start_c, kpa, numbers.spring)
            lively = 0.0
            if t[i] < 55:
                lively = numbers.spring.yeast_per_min * dt / 60 * np.exp(-(((t[i] - 38) / 11) ** 2))
            growth += (max(grown - best[i], 0.0) + lively) * piece.share[i] * (0.25 + 0.75 * soft)
            best[i] = max(best[i], grown)
            if w[i] > 0.25:
                moist_over = max(moist_over, t[i] - point)
        minute += dt / 60
        since_door += dt / 60
        if set_min < 0 and soft < 0.5:
            set_min = minute
        left, base_left = 1 - numbers.browning.spent * brown, 1 - numbers.browning.spent * base_brown
        brown += dt * piece.pace * max(left, 0.0) * _browning(t[0], w[0], numbers)
        base_brown += dt * piece.pace * max(base_left, 0.0) * _browning(t[count - 1], w[count - 1], numbers)
    energy = film * WATER_J_KG_K * t[0]
    water = film
    for i in range(count):
        energy += piece.dry_kg[i] * (numbers.crumb.dry_matter_j_kg_k + WATER_J_KG_K * w[i]) * t[i]
        water += w[i] * piece.dry_kg[i]
    totals[0], totals[1] = set_min, moist_over
    totals[2] = energy - start_j - taken_in + taken_out
    totals[3] = water - start_water + gone_kg
    totals[4], totals[5] = heater_j, lost_j
    return rows
