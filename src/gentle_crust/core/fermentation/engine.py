"""The fermentation engine: a dough's life carried forward, leg by leg, for many activities at once.

A *leg* is a stretch of time in one vessel. Yeasts and bacteria grow logistically, so their amounts and
the gas they make have closed forms in the integral of their rate along the temperature path; only the
gas kept is stepped. Every quantity is per 100 g of all flour and has one column per activity factor.
"""

from dataclasses import dataclass, replace
from functools import cache

import numpy as np

from gentle_crust.core.fermentation import rates
from gentle_crust.core.fermentation.dough import Makeup
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.stepping import keep_gas
from gentle_crust.core.fermentation.temperature import NODES, cool, mixed, node_shares
from gentle_crust.core.tables import constant, numbers

STEP_H = 1 / 4
"""Longest step, h: crossing times move by less than 1 % when it is made finer."""
ROOM_K = 298.15
NOT_YET_FULL = 0.25
"""Share of capacity below which a dough keeps all the gas that it makes: a fourth power of it is 0.4 %."""
FULLY_GROWN = 60.0
"""Growth beyond e to this changes nothing more; weeks unattended would overflow."""
ABSENT = 1e-9
"""Stands for a leaven that is not in the dough."""


@dataclass(frozen=True)
class State:
    """A dough at one moment. Arrays run over activity factors, but for the node temperatures."""

    age_h: float
    """Hours since mixing."""
    nodes_c: Floats
    yeast: Floats
    """Levain yeast, ripe levain = 1."""
    bacteria: Floats
    bakers_yeast_g: Floats
    made_ml: Floats
    """Gas made so far, ml per 100 g flour."""
    kept_ml: Floats
    """Gas still in the dough, dissolved and free, ml at 25 C per 100 g flour."""


@dataclass(frozen=True)
class Leg:
    """Hours in one vessel. ``ambient_c`` is one temperature, or one per step of equal length."""

    hours: float
    ambient_c: Floats
    container: str
    piece_g: float
    greatest_rise: float
    folds_h: tuple[float, ...] = ()
    """When the dough is folded, hours into the leg; taken at the nearest step."""


@dataclass(frozen=True)
class Trace:
    """What happened on a leg: arrays with time along axis 0 and activity factors along axis 1."""

    hours: Floats
    """Since the leg began."""
    dough_c: Floats
    core_c: Floats
    rise: Floats
    gas_rate: Floats
    """ml per 100 g flour per h."""
    ph: Floats
    states: tuple[Floats, Floats, Floats, Floats, Floats]
    nodes_c: Floats
    start_age_h: float

    def at(self, hours: float) -> State:
        """The state ``hours`` into the leg, between the steps by straight line."""
        place = float(np.interp(hours, self.hours, np.arange(len(self.hours))))
        low = min(int(place), len(self.hours) - 2)
        part = place - low

        def between(values: Floats) -> Floats:
            result: Floats = values[low] * (1 - part) + values[low + 1] * part
            return result

        return State(self.start_age_h + hours, between(self.nodes_c), *(between(values) for values in self.states))

    def until(self, hours: float) -> "Trace":
        """What happened in the first ``hours`` of the leg."""
        kept = int(np.searchsorted(self.hours, hours - 1e-9))
        if kept >= len(self.hours):
            return self
        part = (hours - self.hours[kept - 1]) / (self.hours[kept] - self.hours[kept - 1]) if kept else 0.0

        def cut(values: Floats) -> Floats:
            last = values[max(kept - 1, 0)] * (1 - part) + values[kept] * part
            return np.concatenate([values[:kept], last[None]])

        return Trace(
            hours=np.concatenate([self.hours[:kept], [hours]]),
            dough_c=cut(self.dough_c),
            core_c=cut(self.core_c),
            rise=cut(self.rise),
            gas_rate=cut(self.gas_rate),
            ph=cut(self.ph),
            states=tuple(cut(values) for values in self.states),  # type: ignore[arg-type]
            nodes_c=cut(self.nodes_c),
            start_age_h=self.start_age_h,
        )

    def since(self, hours: float) -> "Trace":
        """What happened from ``hours`` into the leg on."""
        first = int(np.searchsorted(self.hours, hours + 1e-9))
        part = (hours - self.hours[first - 1]) / (self.hours[first] - self.hours[first - 1])

        def cut(values: Floats) -> Floats:
            begins = values[first - 1] * (1 - part) + values[first] * part
            return np.concatenate([begins[None], values[first:]])

        return Trace(
            hours=np.concatenate([[0.0], self.hours[first:] - hours]),
            dough_c=cut(self.dough_c),
            core_c=cut(self.core_c),
            rise=cut(self.rise),
            gas_rate=cut(self.gas_rate),
            ph=cut(self.ph),
            states=tuple(cut(values) for values in self.states),  # type: ignore[arg-type]
            nodes_c=cut(self.nodes_c),
            start_age_h=self.start_age_h + hours,
        )

    def end(self) -> State:
        """The state at the end of the leg."""
        return self.at(float(self.hours[-1]))

    def hours_to(self, rise: float) -> Floats:
        """Hours into the leg at which each activity first reaches ``rise``; nan where it never does."""
        return np.array(
            [first_crossing(self.hours, self.rise[:, column], rise) for column in range(self.rise.shape[1])]
        )


def joined(first: Trace, second: Trace) -> Trace:
    """Two traces of one dough, the second beginning where the first ends, as one."""
    return Trace(
        hours=np.concatenate([first.hours, second.hours + first.hours[-1]]),
        dough_c=np.concatenate([first.dough_c, second.dough_c]),
        core_c=np.concatenate([first.core_c, second.core_c]),
        rise=np.concatenate([first.rise, second.rise]),
        gas_rate=np.concatenate([first.gas_rate, second.gas_rate]),
        ph=np.concatenate([first.ph, second.ph]),
        states=tuple(np.concatenate(pair) for pair in zip(first.states, second.states, strict=True)),  # type: ignore[arg-type]
        nodes_c=np.concatenate([first.nodes_c, second.nodes_c]),
        start_age_h=first.start_age_h,
    )


def crossings(hours: Floats, values: Floats, target: float) -> Floats:
    """First time at which each column of ``values`` reaches ``target``, by straight line; nan where never."""
    reached = values >= target
    after = reached.argmax(axis=0)
    columns = np.arange(values.shape[1])
    before = np.maximum(after - 1, 0)
    low, high = values[before, columns], values[after, columns]
    part = np.where(after > 0, (target - low) / np.where(high > low, high - low, 1.0), 0.0)
    found: Floats = np.where(reached.any(axis=0), hours[before] + part * (hours[after] - hours[before]), np.nan)
    return found


def first_crossing(hours: Floats, values: Floats, target: float) -> float:
    """First time at which one course of ``values`` reaches ``target``; nan if never."""
    return float(crossings(hours, values[:, None], target)[0])


def begin(makeup: Makeup, dough_c: float, factors: int = 1) -> State:
    """A dough that has just been mixed, at one temperature; the levain brings its dissolved gas along."""
    water_ml = 100 * makeup.levain_yeast
    dissolved = float(rates.dissolved_gas_ml_per_g_water(np.array(dough_c))) * water_ml
    ones = np.ones(factors)
    levain = max(makeup.levain_yeast, ABSENT)
    return State(
        age_h=0.0,
        nodes_c=np.full(NODES, float(dough_c)),
        yeast=ones * levain,
        bacteria=ones * levain,
        bakers_yeast_g=ones * max(makeup.yeast_percent, ABSENT),
        made_ml=ones * makeup.gas_made_ml,
        kept_ml=ones * dissolved,
    )


def free_ml(makeup: Makeup, state: State) -> Floats:
    """Gas in bubbles, ml at 25 C per 100 g flour."""
    free: Floats = np.maximum(state.kept_ml - _dissolved(makeup, state.nodes_c[None, :])[0], 0)
    return free


def rise_of(makeup: Makeup, state: State) -> Floats:
    """Rise of a state over its gas-free volume, by activity."""
    kelvin = float(state.nodes_c @ node_shares()) + 273.15
    result: Floats = free_ml(makeup, state) * kelvin / ROOM_K / makeup.gas_free_ml
    return result


def handled(makeup: Makeup, state: State, handling: str) -> State:
    """A state after dividing or shaping: some free gas is pressed out, and the dough is turned over."""
    free = free_ml(makeup, state)
    return replace(state, kept_ml=state.kept_ml - (1 - gas_kept(handling)) * free, nodes_c=mixed(state.nodes_c))


def gas_kept(handling: str) -> float:
    """Share of the free gas that a handling leaves in the dough."""
    return numbers("handling", "handling", "gas_kept_fraction")[handling]


def _dissolved(makeup: Makeup, nodes_c: Floats) -> Floats:
    """Gas the dough's water holds, ml per 100 g flour, by time."""
    result: Floats = rates.dissolved_gas_ml_per_g_water(nodes_c) @ node_shares() * 100 * makeup.hydration
    return result


def _integral(rate: Floats, step_h: float, part: Floats | float = 1.0) -> Floats:
    """Running trapezoid integral along time, from zero; only ``part`` (0-1) of each step counts."""
    total = np.zeros_like(rate)
    np.cumsum((rate[1:] + rate[:-1]) * (step_h / 2 * part), axis=0, out=total[1:])
    return total


def _logistic(start: Floats, exponent: Floats, ceiling: float) -> Floats:
    """Closed form of logistic growth from ``start`` over the integral of its rate; shape (time, factor)."""
    growth = start / ceiling * np.exp(np.minimum(exponent, FULLY_GROWN))
    result: Floats = ceiling * growth / (1 - start / ceiling + growth)
    return result


@cache
def _food_table() -> tuple[Floats, Floats]:
    """Gas made against the work done: d(made) = work / (1 + exp((made - half)/width)) has this inverse."""
    half, width = constant("fermentation", "substrate", "half_ml"), constant("fermentation", "substrate", "width_ml")
    made = np.linspace(0, 1200, 2401)
    return made, made + width * np.exp((made - half) / width)


def food(made_ml: Floats) -> Floats:
    """Share of full gas making that the food left allows, 0-1."""
    half, width = constant("fermentation", "substrate", "half_ml"), constant("fermentation", "substrate", "width_ml")
    left: Floats = 1 / (1 + np.exp((made_ml - half) / width))
    return left


def _made(start_ml: Floats, work_ml: Floats) -> Floats:
    """Gas made after ``work_ml`` of unhindered gas making, when food runs out; shape (time, factor)."""
    made, work = _food_table()
    return np.interp(np.interp(start_ml, made, work) + work_ml, work, made)


@cache
def _filling_table() -> tuple[Floats, Floats]:
    """Fullness u against the gas that brings it there: du/d(gas) = 1 - u^4 for u > 0, all is kept below.

    Its integral is (artanh u + arctan u) / 2.
    """
    fullness = np.concatenate([[-9.0], np.linspace(0, 0.98, 400), 1 - np.geomspace(0.02, 1e-5, 60)[1:]])
    above = np.maximum(fullness, 0.0)
    gas = np.where(fullness < 0, fullness, (np.arctanh(above) + np.arctan(above)) / 2)
    return fullness, gas


def _first_held_back(free: Floats, fullness: Floats, fold_steps: frozenset[int]) -> int:
    """The last step before any dough is so full, or folded with bubbles in it, that gas is lost."""
    filling = (free * fullness[:, None] > NOT_YET_FULL).any(axis=1)
    ends = [int(filling.argmax()) if filling.any() else len(free) - 1]
    ends += [fold for fold in fold_steps if fold < len(free) and free[fold].max() > 0]
    return max(min(ends) - 1, 0)


def _kept(
    start: Floats,
    made: Floats,
    dissolved: Floats,
    expand: Floats,
    most: float,
    step_h: float,
    fold_steps: frozenset[int],
) -> Floats:
    """Gas kept, ml: ever less of what is made as the dough nears its capacity, where it also leaks."""
    leak = constant("fermentation", "gas", "leak_per_h") * step_h
    part = (expand[1:] + expand[:-1]) / 2 / most
    held = (dissolved[1:] + dissolved[:-1]) / 2
    gains = np.diff(made, axis=0) * part[:, None]
    path: Floats = start + (made - made[0])
    first = _first_held_back(path - dissolved[:, None], expand / most, fold_steps)
    folds = np.zeros(len(path), dtype=np.bool_)
    folds[[step for step in fold_steps if step < len(path)]] = True
    keep_gas(path, first, gains, part, held, folds, gas_kept("fold"), leak, *_filling_table())
    return path


def _levain_life(
    makeup: Makeup, state: State, nodes_c: Floats, step_h: float, activity: Floats
) -> tuple[Floats, Floats, Floats]:
    """Yeast, bacteria and unhindered gas making (before pace) of a levain; shape (time, factor)."""
    if float(state.yeast.max()) <= ABSENT:
        still = np.full((len(nodes_c), len(activity)), ABSENT)
        return still, still, np.zeros_like(still)
    share = node_shares()
    growth = (rates.levain_yeast_growth_per_h(nodes_c) @ share)[:, None]
    souring = (rates.levain_bacteria_growth_per_h(nodes_c) @ share)[:, None]
    gas = (rates.levain_gas_per_h(nodes_c) @ share)[:, None]
    yeast = _logistic(state.yeast, _integral(growth, step_h) * (activity * makeup.pace), 1.0)
    ceiling = constant("fermentation", "acid", "bacteria_ceiling")
    bacteria = _logistic(state.bacteria, _integral(souring, step_h) * activity, ceiling)
    return yeast, bacteria, constant("fermentation", "levain", "gas_ml_per_100g_flour") * gas * yeast


def _bakers_life(
    makeup: Makeup, state: State, nodes_c: Floats, age_h: Floats, step_h: float, activity: Floats
) -> tuple[Floats, Floats]:
    """Baker's yeast, g per 100 g flour, and its gas making wide awake (before pace); shape (time, factor)."""
    if float(state.bakers_yeast_g.max()) <= ABSENT:
        still = np.full((len(nodes_c), len(activity)), ABSENT)
        return still, np.zeros_like(still)
    gassing = (rates.bakers_yeast_gassing(nodes_c) @ node_shares())[:, None]
    growing = np.clip((age_h[1:] - constant("fermentation", "bakers_yeast", "growth_lag_h")) / step_h, 0, 1)
    exponent = _integral(gassing, step_h, growing) * activity
    yeast = _logistic(
        state.bakers_yeast_g,
        exponent * constant("fermentation", "bakers_yeast", "growth_per_h"),
        constant("fermentation", "bakers_yeast", "growth_ceiling_g"),
    )
    return yeast, constant("fermentation", "bakers_yeast", "gas_ml_per_g_per_h") * gassing * yeast


def _awake(age_h: Floats) -> tuple[Floats, Floats]:
    """Share of the baker's yeast that is awake at each time, and its exact mean over each step."""
    waking = constant("fermentation", "bakers_yeast", "waking_h")
    asleep = np.exp(-age_h / waking)
    return 1 - asleep, 1 + waking * np.diff(asleep, axis=0) / np.diff(age_h, axis=0)


def run(makeup: Makeup, state: State, leg: Leg, activity: Floats) -> Trace:
    """Carry ``state`` through one leg. ``activity`` multiplies every rate of life; one column each."""
    activity = activity * makeup.liveliness
    steps = len(leg.ambient_c) if leg.ambient_c.size > 1 else max(int(np.ceil(leg.hours / STEP_H)), 2)
    ambient = leg.ambient_c if leg.ambient_c.size > 1 else np.full(steps, float(leg.ambient_c.flat[0]))
    step_h = leg.hours / steps
    fold_steps = frozenset(round(fold / step_h) for fold in leg.folds_h if fold < leg.hours)
    nodes = cool(state.nodes_c, leg.piece_g, leg.container, ambient, step_h, fold_steps)
    share = node_shares()
    hours = np.linspace(0, leg.hours, steps + 1)
    age = (state.age_h + hours)[:, None]
    pace = activity * makeup.pace

    yeast, bacteria, work_rate = _levain_life(makeup, state, nodes, step_h, activity)
    bakers, bakers_rate = _bakers_life(makeup, state, nodes, age, step_h, activity)
    awake, awake_mean = _awake(age)
    work = _integral(work_rate, step_h) + _integral(bakers_rate, step_h, awake_mean)
    made = _made(state.made_ml, pace * work)
    dissolved = _dissolved(makeup, nodes)
    expand = (nodes @ share + 273.15) / ROOM_K / makeup.gas_free_ml
    kept = _kept(state.kept_ml, made, dissolved, expand, leg.greatest_rise, step_h, fold_steps)
    return Trace(
        hours=hours,
        dough_c=nodes @ share,
        core_c=nodes[:, 0],
        rise=np.maximum(kept - dissolved[:, None], 0) * expand[:, None],
        gas_rate=pace * (work_rate + awake * bakers_rate) * food(made),
        ph=ph_of(bacteria),
        states=(yeast, bacteria, bakers, made, kept),
        nodes_c=nodes,
        start_age_h=state.age_h,
    )


def ph_of(bacteria: Floats) -> Floats:
    """An index of acidity as pH, from the lactic bacteria (ripe levain = 1); not a measurement."""
    start, end = constant("fermentation", "acid", "start_ph"), constant("fermentation", "acid", "end_ph")
    result: Floats = end + (start - end) * np.exp(-constant("fermentation", "acid", "steepness") * bacteria)
    return result
