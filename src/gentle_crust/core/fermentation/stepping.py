"""A dough's life step by step: how its leavens grow, what gas they make and it keeps, how its warmth follows the air.

Everything here is compiled; what the steps mean is told by the modules that call it.
"""

from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from gentle_crust.core.compiled import compiled

Floats = NDArray[np.float64]
Flags = NDArray[np.bool_]
ABSENT = 1e-9
"""Stands for a leaven that is not in the dough."""
ROOM_K = 298.15
FINEST_FILLING = 0.08
"""A step in which more than this share of what a dough can hold is made is taken in parts."""
RISE, GAS_RATE, YEAST, BACTERIA, BAKERS, MADE, KEPT, SOUND = range(8)
"""Rows of what is told of a dough's life; from YEAST on they are those of a state."""


class Rates(NamedTuple):
    """What depends on temperature, tabled ``per_k`` times a kelvin from 0 C."""

    per_k: float
    levain_yeast: Floats
    levain_bacteria: Floats
    levain_gas: Floats
    bakers_gas: Floats
    dissolved: Floats


class Life(NamedTuple):
    """Constants of what lives in a dough; ml and g are per 100 g flour."""

    levain_gas_ml: float
    bacteria_ceiling: float
    bakers_gas_ml: float
    bakers_growth_per_h: float
    bakers_ceiling_g: float
    growth_lag_h: float
    waking_h: float
    crowded_g: float
    food_half_ml: float
    food_width_ml: float
    leak_per_h: float
    sinks_per_h: float
    fold_keeps: float
    fold_mends: float


class Wear(NamedTuple):
    """How gluten tires, 1/h: stretched to its end; by age and by a ripe levain's bacteria at 24 C, ``per_k`` more.

    What stretches it goes with the eighth power of how full the dough is.
    """

    overfull: float
    aged: float
    acid: float
    per_k: float


class Tables(NamedTuple):
    """A curve that has no formula: gas made against work done as food runs out."""

    made_ml: Floats
    work_ml: Floats


class Begun(NamedTuple):
    """How a dough stands as a leg begins, one column an activity."""

    age_h: float
    yeast: Floats
    bacteria: Floats
    bakers_yeast_g: Floats
    made_ml: Floats
    kept_ml: Floats
    sound: Floats


class Kept(NamedTuple):
    """A dough as it is: its water, g, and its volume without gas, ml per 100 g flour; the greatest rise it can hold.

    ``pace`` of yeasts and ``souring`` of bacteria by what is in it; ``asleep``: the share of its baker's yeast that
    still has to wake, in ``waking`` times the usual time; ``pressure`` of the air as a share of that at the sea.
    """

    water_g: float
    gas_free_ml: float
    greatest_rise: float
    pace: float
    souring: float
    asleep: float
    waking: float
    pressure: float


@compiled()
def shell_mean(nodes_c: Floats, share: Floats, grid: Floats, per_k: float) -> Floats:
    """Mean over a dough's shells (each its ``share``) of what is tabled ``per_k`` times a kelvin from 0 C, by time."""
    last = len(grid) - 1
    found = np.zeros(len(nodes_c))
    for step in range(len(nodes_c)):
        for node in range(len(share)):
            place = min(max(nodes_c[step, node] * per_k, 0.0), float(last))
            low = min(int(place), last - 1)
            found[step] += share[node] * (grid[low] + (place - low) * (grid[low + 1] - grid[low]))
    return found


@compiled()
def grown(start: Floats, rate: Floats, counts: Floats, step_h: float, paces: Floats, ceiling: float) -> Floats:
    """Logistic growth to ``ceiling`` at a rate by time, of which a part (0-1) of each step counts: (times, paces).

    Closed form in the running integral of the rate; growth beyond e to the 60 changes nothing more.
    """
    found = np.empty((len(rate), len(paces)))
    lived = 0.0
    for step in range(len(rate)):
        if step:
            lived += (rate[step] + rate[step - 1]) * step_h / 2 * counts[step - 1]
        for column in range(len(paces)):
            begun = start[column] / ceiling
            growth = begun * np.exp(min(lived * paces[column], 60.0))
            found[step, column] = ceiling * growth / (1 - begun + growth)
    return found


@compiled()
def gas_made(
    start_ml: Floats, levain: Floats, bakers: Floats, awake: Floats, step_h: float, paces: Floats, made: Floats,
    work: Floats,
) -> Floats:  # fmt: skip
    """Gas made so far by time, ml: the work of both leavens, of the baker's as much as is ``awake`` in each step.

    ``made`` against ``work`` is how food runs out.
    """
    found = np.empty(levain.shape)
    done = np.zeros(len(paces))
    begun = np.interp(start_ml, made, work)
    for step in range(len(levain)):
        for column in range(len(paces)):
            if step:
                both = levain[step, column] + levain[step - 1, column]
                both += (bakers[step, column] + bakers[step - 1, column]) * awake[step - 1]
                done[column] += both * step_h / 2
        found[step] = np.interp(begun + paces * done, work, made)
    return found


@compiled()
def filled(full: float, gain: float, leak: float, finest: float) -> float:
    """Fullness of a dough after a step in which ``gain`` is made and some leaks away, by the midpoint rule in parts."""
    parts = max(int(np.ceil(gain / finest)), 1)
    for _ in range(parts):
        middle = full + gain / parts * (1 - min(max(full, 0.0) ** 4, 1.0)) / 2
        full = full + gain / parts * (1 - min(max(middle, 0.0) ** 4, 1.0))
    return full - leak * max(full, 0.0) * min(max(full, 0.0) ** 4, 1.0)


@compiled()
def gas_kept(
    start: Floats, sound: Floats, made: Floats, bacteria: Floats, dissolved: Floats, expand: Floats, warmth: Floats,
    step_h: float, folds: Flags, life: Life, wear: Wear, most: float, finest: float,
) -> tuple[Floats, Floats]:  # fmt: skip
    """Gas kept, ml, and how sound the gluten still is, 0-1: both (times, doughs).

    Ever less of what is made is kept as a dough nears its capacity, where it also leaks. Gluten tires by being
    stretched to its end, by age and by acid (``warmth``: how much faster those go than at 24 C); what is then more
    than it holds is lost, and the dough sinks.
    """
    times, doughs = made.shape
    kept, holds = np.empty((times, doughs)), np.empty((times, doughs))
    kept[0], holds[0] = start, sound
    sinks, leak = np.exp(-life.sinks_per_h * step_h), life.leak_per_h * step_h
    for step in range(times - 1):
        part, held = (expand[step] + expand[step + 1]) / (2 * most), (dissolved[step] + dissolved[step + 1]) / 2
        age = wear.aged * (warmth[step] + warmth[step + 1]) / 2
        for one in range(doughs):
            able = max(holds[step, one], 1e-3)
            share = part / able
            was = (kept[step, one] - held) * share
            full = filled(was, (made[step + 1, one] - made[step, one]) * share, leak, finest)
            if full > 1:
                full = max(was, 1.0) if was <= 1 else 1 + (full - 1) * sinks
            fourth = min(max((was + full) / 2, 0.0), 1.0) ** 4
            tired = (wear.overfull * fourth * fourth + age + wear.acid * bacteria[step, one] * warmth[step]) * step_h
            after = able * (np.exp(-tired) if tired > 0.02 else 1 - tired + tired * tired / 2)
            if folds[step + 1] and full > 0:
                full *= life.fold_keeps
                after = 1 - (1 - after) * (1 - life.fold_mends)
            kept[step + 1, one] = full / share + held
            holds[step + 1, one] = after
    return kept, holds


@compiled()
def lived(
    nodes_c: Floats, share: Floats, step_h: float, folds: Flags, begun: Begun, activity: Floats, dough: Kept,
    rates: Rates, life: Life, wear: Wear, tables: Tables,
) -> Floats:  # fmt: skip
    """A leg of a dough's life along the temperatures of its shells: rows RISE to SOUND, each (times, activities).

    ``activity`` multiplies every rate. The rise is below nought by the gas that the water would still take up.
    """
    times, doughs = len(nodes_c), len(activity)
    found = np.empty((8, times, doughs))
    per_k, always, paces = rates.per_k, np.ones(times - 1), activity * dough.pace
    levain_rate, bakers_rate = np.zeros((times, doughs)), np.zeros((times, doughs))
    found[YEAST:MADE] = ABSENT
    if begun.yeast.max() >= 2 * ABSENT:
        growth = shell_mean(nodes_c, share, rates.levain_yeast, per_k)
        souring = shell_mean(nodes_c, share, rates.levain_bacteria, per_k)
        gas = shell_mean(nodes_c, share, rates.levain_gas, per_k)
        found[YEAST] = grown(begun.yeast, growth, always, step_h, paces, 1.0)
        sours = activity * dough.souring
        found[BACTERIA] = grown(begun.bacteria, souring, always, step_h, sours, life.bacteria_ceiling)
        levain_rate = life.levain_gas_ml * gas.reshape(-1, 1) * found[YEAST]
    age = begun.age_h + np.arange(times) * step_h
    waking = life.waking_h * dough.waking
    asleep = dough.asleep * np.exp(-age / waking)
    if begun.bakers_yeast_g.max() >= 2 * ABSENT:
        gassing = shell_mean(nodes_c, share, rates.bakers_gas, per_k)
        lag = life.growth_lag_h * dough.asleep
        growing = np.minimum(np.maximum((age[1:] - lag) / step_h, 0.0), 1.0)
        growths = paces * life.bakers_growth_per_h
        found[BAKERS] = grown(begun.bakers_yeast_g, gassing, growing, step_h, growths, life.bakers_ceiling_g)
        working = found[BAKERS] / (1 + found[BAKERS] / life.crowded_g)
        bakers_rate = life.bakers_gas_ml * gassing.reshape(-1, 1) * working
    awake = 1 + waking * (asleep[1:] - asleep[:-1]) / step_h  # the exact mean over each step
    made = gas_made(begun.made_ml, levain_rate, bakers_rate, awake, step_h, paces, tables.made_ml, tables.work_ml)
    dissolved = shell_mean(nodes_c, share, rates.dissolved, per_k) * dough.water_g * dough.pressure
    mean_c = np.array([np.sum(share * nodes_c[step]) for step in range(times)])
    expand = (mean_c + 273.15) / (ROOM_K * dough.gas_free_ml * dough.pressure)
    warmth = np.exp(wear.per_k * (mean_c - 24.0))
    found[MADE] = made
    found[KEPT], found[SOUND] = gas_kept(
        begun.kept_ml, begun.sound, made, found[BACTERIA], dissolved, expand, warmth, step_h, folds, life, wear,
        dough.greatest_rise, FINEST_FILLING,
    )  # fmt: skip
    for step in range(times):
        for one in range(doughs):
            food = 1 / (1 + np.exp((made[step, one] - life.food_half_ml) / life.food_width_ml))
            rate = levain_rate[step, one] + (1 - asleep[step]) * bakers_rate[step, one]
            found[GAS_RATE, step, one] = paces[one] * rate * food
            found[RISE, step, one] = (found[KEPT, step, one] - dissolved[step]) * expand[step]
    return found


@compiled()
def follow_air(
    nodes_c: Floats, air_c: Floats, rate_per_h: Floats, step_h: float, folds: Flags, to_modes: Floats,
    to_nodes: Floats, share: Floats, loses_k: float,
) -> Floats:  # fmt: skip
    """Temperatures of the shells after each step, (steps + 1, shells); a fold brings all to the mean less ``loses_k``.

    Each mode of warmth decays at its ``rate_per_h`` towards that of the air during the step.
    """
    count = len(nodes_c)
    path = np.empty((len(air_c) + 1, count))
    path[0] = nodes_c
    decay, of_air, now = np.exp(rate_per_h * step_h), np.sum(to_modes, axis=1), np.zeros(count)
    for mode in range(count):
        now[mode] = np.sum(to_modes[mode] * nodes_c)
    for step in range(len(air_c)):
        now = decay * now + (1 - decay) * of_air * air_c[step]
        mean = 0.0
        for node in range(count):
            warmth = 0.0
            for mode in range(count):
                warmth += to_nodes[node, mode] * now[mode]
            path[step + 1, node] = warmth
            mean += share[node] * warmth
        if folds[step + 1]:
            now = of_air * (mean - loses_k)
            path[step + 1] = mean - loses_k
    return path
