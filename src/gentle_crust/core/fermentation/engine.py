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
from gentle_crust.core.fermentation.temperature import NODES, cool, mixed, node_shares
from gentle_crust.core.tables import constant, numbers

STEP_H = 1 / 8
"""Longest step, h: crossing times move by less than 0.3 % when it is made finer."""
ROOM_K = 298.15


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

    def end(self) -> State:
        """The state at the end of the leg."""
        return self.at(float(self.hours[-1]))

    def hours_to(self, rise: float) -> Floats:
        """Hours into the leg at which each activity first reaches ``rise``; nan where it never does."""
        return np.array(
            [first_crossing(self.hours, self.rise[:, column], rise) for column in range(self.rise.shape[1])]
        )


def first_crossing(hours: Floats, values: Floats, target: float) -> float:
    """First time at which ``values`` reach ``target``, by straight line between samples; nan if never."""
    reached = np.flatnonzero(values >= target)
    if len(reached) == 0:
        return float("nan")
    after = int(reached[0])
    if after == 0:
        return float(hours[0])
    before = after - 1
    part = (target - values[before]) / (values[after] - values[before])
    return float(hours[before] + part * (hours[after] - hours[before]))


def begin(makeup: Makeup, dough_c: float, factors: int = 1) -> State:
    """A dough that has just been mixed, at one temperature; the levain brings its dissolved gas along."""
    water_ml = 100 * makeup.levain_yeast
    dissolved = float(rates.dissolved_gas_ml_per_g_water(np.array(dough_c))) * water_ml
    ones = np.ones(factors)
    levain = max(makeup.levain_yeast, 1e-9)
    return State(
        age_h=0.0,
        nodes_c=np.full(NODES, float(dough_c)),
        yeast=ones * levain,
        bacteria=ones * levain,
        bakers_yeast_g=ones * max(makeup.yeast_percent, 1e-9),
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
    """A state after a fold, divide or shape: some free gas is pressed out, and the dough is turned over."""
    kept = numbers("handling", "handling", "gas_kept_fraction")[handling]
    free = free_ml(makeup, state)
    loses_k = 0.3 if handling == "fold" else 0.0
    return replace(state, kept_ml=state.kept_ml - (1 - kept) * free, nodes_c=mixed(state.nodes_c, loses_k))


def _dissolved(makeup: Makeup, nodes_c: Floats) -> Floats:
    """Gas the dough's water holds, ml per 100 g flour, by time."""
    result: Floats = rates.dissolved_gas_ml_per_g_water(nodes_c) @ node_shares() * 100 * makeup.hydration
    return result


def _integral(rate: Floats, step_h: float) -> Floats:
    """Running trapezoid integral along time, from zero."""
    total = np.zeros_like(rate)
    np.cumsum((rate[1:] + rate[:-1]) * (step_h / 2), axis=0, out=total[1:])
    return total


def _logistic(start: Floats, exponent: Floats, ceiling: float) -> Floats:
    """Closed form of logistic growth from ``start`` over the integral of its rate; shape (time, factor)."""
    growth = start / ceiling * np.exp(exponent)
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


def _kept(start: Floats, made: Floats, dissolved: Floats, expand: Floats, most: float, step_h: float) -> Floats:
    """Gas kept, ml, stepped in time: free gas is held ever less towards capacity and leaks there."""
    leak = constant("fermentation", "gas", "leak_per_h") * step_h
    made_step = np.diff(made, axis=0)
    fullness = expand / most
    path = np.empty_like(made)
    path[0] = start
    for step, (held, part) in enumerate(zip(dissolved.tolist(), fullness.tolist(), strict=True)):
        if step == len(made_step):
            break
        kept, after = path[step], path[step + 1]
        free = np.maximum(kept - held, 0.0)
        full = free * part
        np.multiply(full, full, out=full)
        np.multiply(full, full, out=full)
        np.minimum(full, 1.0, out=full)
        np.subtract(kept, full * (made_step[step] + leak * free), out=after)
        after += made_step[step]
    return path


def run(makeup: Makeup, state: State, leg: Leg, activity: Floats) -> Trace:
    """Carry ``state`` through one leg. ``activity`` multiplies every rate of life; one column each."""
    steps = len(leg.ambient_c) if leg.ambient_c.size > 1 else max(int(np.ceil(leg.hours / STEP_H)), 2)
    ambient = leg.ambient_c if leg.ambient_c.size > 1 else np.full(steps, float(leg.ambient_c.flat[0]))
    step_h = leg.hours / steps
    nodes = cool(state.nodes_c, leg.piece_g, leg.container, ambient, step_h)
    share = node_shares()
    hours = np.linspace(0, leg.hours, steps + 1)
    age = (state.age_h + hours)[:, None]
    pace = activity * makeup.pace

    growth = (rates.levain_yeast_growth_per_h(nodes) @ share)[:, None]
    souring = (rates.levain_bacteria_growth_per_h(nodes) @ share)[:, None]
    gassing = (rates.bakers_yeast_gassing(nodes) @ share)[:, None]
    levain_gas = (rates.levain_gas_per_h(nodes) @ share)[:, None]

    lag_over = age >= constant("fermentation", "bakers_yeast", "growth_lag_h")
    yeast = _logistic(state.yeast, _integral(growth, step_h) * pace, 1.0)
    bacteria = _logistic(
        state.bacteria, _integral(souring, step_h) * activity, constant("fermentation", "acid", "bacteria_ceiling")
    )
    bakers = _logistic(
        state.bakers_yeast_g,
        _integral(gassing * lag_over, step_h) * activity * constant("fermentation", "bakers_yeast", "growth_per_h"),
        constant("fermentation", "bakers_yeast", "growth_ceiling_g"),
    )
    awake = 1 - np.exp(-age / constant("fermentation", "bakers_yeast", "waking_h"))
    work_rate = pace * (
        constant("fermentation", "levain", "gas_ml_per_100g_flour") * levain_gas * yeast
        + constant("fermentation", "bakers_yeast", "gas_ml_per_g_per_h") * gassing * bakers * awake
    )
    made = _made(state.made_ml, _integral(work_rate, step_h))
    dissolved = _dissolved(makeup, nodes)
    expand = (nodes @ share + 273.15) / ROOM_K / makeup.gas_free_ml
    kept = _kept(state.kept_ml, made, dissolved, expand, leg.greatest_rise, step_h)
    return Trace(
        hours=hours,
        dough_c=nodes @ share,
        core_c=nodes[:, 0],
        rise=np.maximum(kept - dissolved[:, None], 0) * expand[:, None],
        gas_rate=work_rate * food(made),
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
