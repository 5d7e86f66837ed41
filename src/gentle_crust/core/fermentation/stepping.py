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
NOT_YET_FULL = 0.25
"""Share of capacity below which a dough keeps all the gas that it makes: a fourth power of it is 0.4 %."""
RISE, GAS_RATE, YEAST, BACTERIA, BAKERS, MADE, KEPT = range(7)
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
    food_half_ml: float
    food_width_ml: float
    leak_per_h: float
    fold_keeps: float


class Tables(NamedTuple):
    """Two curves that have no formula: gas made against work done as food runs out, fullness against gas."""

    made_ml: Floats
    work_ml: Floats
    fullness: Floats
    gas: Floats


class Begun(NamedTuple):
    """How a dough stands as a leg begins, one column an activity."""

    age_h: float
    yeast: Floats
    bacteria: Floats
    bakers_yeast_g: Floats
    made_ml: Floats
    kept_ml: Floats


class Kept(NamedTuple):
    """A dough as it is: its water, g, and its volume without gas, ml per 100 g flour; the greatest rise it can hold."""

    water_g: float
    gas_free_ml: float
    greatest_rise: float


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
def first_held_back(path: Floats, dissolved: Floats, fullness: Floats, folds: Flags, not_yet_full: float) -> int:
    """The last step before any dough is so full, or folded with bubbles in it, that gas is lost."""
    for step in range(len(path)):
        for column in range(path.shape[1]):
            free = path[step, column] - dissolved[step]
            if free * fullness[step] > not_yet_full or (folds[step] and free > 0):
                return max(step - 1, 0)
    return len(path) - 2


@compiled()
def filled_one(full: float, gain: float, leak: float) -> float:
    """Fullness of one dough after a step in which ``gain`` is made and some leaks away, by the midpoint rule."""
    middle = full + gain * (1 - min(max(full, 0.0) ** 4, 1.0)) / 2
    after = full + gain * (1 - min(max(middle, 0.0) ** 4, 1.0))
    return after - leak * max(after, 0.0) * min(max(after, 0.0) ** 4, 1.0)


@compiled()
def filled_many(full: Floats, gain: Floats, leak: float, fullness: Floats, gas: Floats) -> Floats:
    """The same for many doughs, by the table of fullness against gas; one beyond the table's end stays there."""
    after = np.interp(np.interp(full, fullness, gas) + gain, gas, fullness)
    for place in range(len(after)):
        if full[place] > fullness[-1]:
            after[place] = full[place]
        above = max(after[place], 0.0)
        after[place] -= leak * above * min(above**4, 1.0)
    return after


@compiled()
def keep_gas(
    path: Floats, first: int, gains: Floats, parts: Floats, helds: Floats, folds: Flags, keeps: float, leak: float,
    fullness: Floats, gas: Floats,
) -> None:  # fmt: skip
    """Gas kept, step by step from ``first`` on, written into ``path`` (steps + 1, doughs), ml.

    ``gains``: gas made in each step over what the dough holds; ``parts``: fullness of a ml; ``helds``: ml dissolved;
    ``folds``: whether the dough is folded after the step, which keeps a share ``keeps`` of its bubbles.
    """
    if path.shape[1] == 1:
        kept = path[first, 0]
        for step in range(first, len(gains)):
            full = filled_one((kept - helds[step]) * parts[step], gains[step, 0], leak)
            if folds[step + 1] and full > 0:
                full *= keeps
            kept = full / parts[step] + helds[step]
            path[step + 1, 0] = kept
        return
    for step in range(first, len(gains)):
        full_many = filled_many((path[step] - helds[step]) * parts[step], gains[step], leak, fullness, gas)
        if folds[step + 1]:
            full_many = np.where(full_many > 0, full_many * keeps, full_many)
        path[step + 1] = full_many / parts[step] + helds[step]


@compiled()
def gas_kept(
    start: Floats, made: Floats, dissolved: Floats, expand: Floats, most: float, step_h: float, folds: Flags,
    life: Life, tables: Tables,
) -> Floats:  # fmt: skip
    """Gas kept, ml: ever less of what is made as the dough nears its capacity, where it also leaks."""
    part = (expand[1:] + expand[:-1]) / (2 * most)
    held = (dissolved[1:] + dissolved[:-1]) / 2
    gains = (made[1:] - made[:-1]) * part.reshape(-1, 1)
    path: Floats = start + (made - made[0])
    first = first_held_back(path, dissolved, expand / most, folds, NOT_YET_FULL)
    leak = life.leak_per_h * step_h
    keep_gas(path, first, gains, part, held, folds, life.fold_keeps, leak, tables.fullness, tables.gas)
    return path


@compiled()
def lived(
    nodes_c: Floats, share: Floats, step_h: float, folds: Flags, begun: Begun, activity: Floats, pace: float,
    dough: Kept, rates: Rates, life: Life, tables: Tables,
) -> Floats:  # fmt: skip
    """A leg of a dough's life along the temperatures of its shells: rows RISE to KEPT, each (times, activities).

    ``activity`` multiplies every rate; ``pace`` is how salt, sugar and grain slow the yeasts.
    """
    times, doughs = len(nodes_c), len(activity)
    found = np.empty((7, times, doughs))
    per_k, always, paces = rates.per_k, np.ones(times - 1), activity * pace
    levain_rate, bakers_rate = np.zeros((times, doughs)), np.zeros((times, doughs))
    found[YEAST:MADE] = ABSENT
    if begun.yeast.max() >= 2 * ABSENT:
        growth = shell_mean(nodes_c, share, rates.levain_yeast, per_k)
        souring = shell_mean(nodes_c, share, rates.levain_bacteria, per_k)
        gas = shell_mean(nodes_c, share, rates.levain_gas, per_k)
        found[YEAST] = grown(begun.yeast, growth, always, step_h, paces, 1.0)
        found[BACTERIA] = grown(begun.bacteria, souring, always, step_h, activity, life.bacteria_ceiling)
        levain_rate = life.levain_gas_ml * gas.reshape(-1, 1) * found[YEAST]
    age = begun.age_h + np.arange(times) * step_h
    asleep = np.exp(-age / life.waking_h)
    if begun.bakers_yeast_g.max() >= 2 * ABSENT:
        gassing = shell_mean(nodes_c, share, rates.bakers_gas, per_k)
        growing = np.minimum(np.maximum((age[1:] - life.growth_lag_h) / step_h, 0.0), 1.0)
        growths = activity * life.bakers_growth_per_h
        found[BAKERS] = grown(begun.bakers_yeast_g, gassing, growing, step_h, growths, life.bakers_ceiling_g)
        bakers_rate = life.bakers_gas_ml * gassing.reshape(-1, 1) * found[BAKERS]
    awake = 1 + life.waking_h * (asleep[1:] - asleep[:-1]) / step_h  # the exact mean over each step
    made = gas_made(begun.made_ml, levain_rate, bakers_rate, awake, step_h, paces, tables.made_ml, tables.work_ml)
    dissolved = shell_mean(nodes_c, share, rates.dissolved, per_k) * dough.water_g
    expand = (np.array([np.sum(share * nodes_c[step]) for step in range(times)]) + 273.15) / (
        ROOM_K * dough.gas_free_ml
    )
    found[MADE] = made
    found[KEPT] = gas_kept(begun.kept_ml, made, dissolved, expand, dough.greatest_rise, step_h, folds, life, tables)
    for step in range(times):
        for one in range(doughs):
            food = 1 / (1 + np.exp((made[step, one] - life.food_half_ml) / life.food_width_ml))
            rate = levain_rate[step, one] + (1 - asleep[step]) * bakers_rate[step, one]
            found[GAS_RATE, step, one] = paces[one] * rate * food
            found[RISE, step, one] = max(found[KEPT, step, one] - dissolved[step], 0.0) * expand[step]
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
