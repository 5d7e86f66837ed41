"""The fermentation engine: a dough's life carried forward, leg by leg, for many activities at once.

A *leg* is a stretch of time in one vessel. Yeasts and bacteria grow logistically, so their amounts and
the gas they make have closed forms in the integral of their rate along the temperature path; only the
gas kept is stepped. Every quantity is per 100 g of all flour and has one column per activity factor.
"""

from dataclasses import dataclass, replace
from functools import cache

import numpy as np

from gentle_crust.core.fermentation import rates
from gentle_crust.core.fermentation.crossing import crossings
from gentle_crust.core.fermentation.dough import Makeup
from gentle_crust.core.fermentation.gluten import wear_of
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.stepping import (
    ABSENT,
    BACTERIA,
    BAKERS,
    GAS_RATE,
    MADE,
    RISE,
    ROOM_K,
    SOUND,
    YEAST,
    Begun,
    Kept,
    Life,
    Tables,
    lived,
)
from gentle_crust.core.fermentation.temperature import NODES, Shape, cool, fold_flags, mixed, node_shares
from gentle_crust.core.tables import constant, numbers

STEP_H = 1 / 4
"""Longest step, h: crossing times move by less than 1 % when it is made finer."""


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
    sound: Floats
    """Share of what its gluten could hold at first that it still can, 0-1."""


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
    fridge: bool = False
    """Whether the air is a fridge's, which moves and takes heat faster than a room's."""
    shape: Shape = "ball"


@dataclass(frozen=True)
class Trace:
    """What happened on a leg: arrays with time along axis 0 and activity factors along axis 1."""

    hours: Floats
    """Since the leg began."""
    nodes_c: Floats
    """Temperature of each shell, from the middle outwards."""
    lives: Floats
    """What the properties below name, one after the other, each by time and activity."""
    start_age_h: float
    buffer: float = 1.0
    """Acid that its flour takes up beside white flour, for the same pH."""

    @property
    def dough_c(self) -> Floats:
        """Mean temperature of the dough."""
        mean: Floats = self.nodes_c @ node_shares()
        return mean

    @property
    def core_c(self) -> Floats:
        """Temperature of its middle."""
        core: Floats = self.nodes_c[:, 0]
        return core

    @property
    def rise(self) -> Floats:
        """Over the gas-free volume."""
        return np.maximum(self._row(RISE), 0.0)

    @property
    def signed_rise(self) -> Floats:
        """The same, below nought by the gas that its water would still take up: nothing is seen of it then."""
        return self._row(RISE)

    @property
    def gas_rate(self) -> Floats:
        """ml per 100 g flour per h."""
        return self._row(GAS_RATE)

    @property
    def ph(self) -> Floats:
        """An index of acidity, not a measurement."""
        return ph_of(self.bacteria, self.buffer)

    @property
    def yeast(self) -> Floats:
        """Levain yeast, ripe levain = 1."""
        return self._row(YEAST)

    @property
    def bacteria(self) -> Floats:
        """Lactic bacteria, ripe levain = 1."""
        return self._row(BACTERIA)

    @property
    def bakers_yeast_g(self) -> Floats:
        """Instant yeast, g per 100 g flour."""
        return self._row(BAKERS)

    @property
    def made_ml(self) -> Floats:
        """Gas made so far, ml per 100 g flour."""
        return self._row(MADE)

    @property
    def sound(self) -> Floats:
        """Share of what its gluten could hold at first that it still can, 0-1."""
        return self._row(SOUND)

    def _row(self, which: int) -> Floats:
        row: Floats = self.lives[which]
        return row

    def at(self, hours: float) -> State:
        """The state ``hours`` into the leg, between the steps by straight line."""
        low = min(max(int(self.hours.searchsorted(hours, "right")) - 1, 0), len(self.hours) - 2)
        part = (hours - self.hours[low]) / (self.hours[low + 1] - self.hours[low])
        part = min(max(float(part), 0.0), 1.0)
        nodes = self.nodes_c[low] * (1 - part) + self.nodes_c[low + 1] * part
        lives = self.lives[:, low] * (1 - part) + self.lives[:, low + 1] * part
        return State(self.start_age_h + hours, nodes, *lives[YEAST:])

    def until(self, hours: float) -> "Trace":
        """What happened in the first ``hours`` of the leg."""
        kept = int(self.hours.searchsorted(hours - 1e-9))
        if kept >= len(self.hours):
            return self
        last = max(kept - 1, 0)
        part = (hours - self.hours[last]) / (self.hours[kept] - self.hours[last]) if kept else 0.0
        nodes = self.nodes_c[last] * (1 - part) + self.nodes_c[kept] * part
        lives = self.lives[:, last] * (1 - part) + self.lives[:, kept] * part
        return Trace(
            np.append(self.hours[:kept], hours),
            np.concatenate([self.nodes_c[:kept], nodes[None]]),
            np.concatenate([self.lives[:, :kept], lives[:, None]], axis=1),
            self.start_age_h,
            self.buffer,
        )

    def since(self, hours: float) -> "Trace":
        """What happened from ``hours`` into the leg on."""
        first = int(self.hours.searchsorted(hours + 1e-9))
        part = (hours - self.hours[first - 1]) / (self.hours[first] - self.hours[first - 1])
        nodes = self.nodes_c[first - 1] * (1 - part) + self.nodes_c[first] * part
        lives = self.lives[:, first - 1] * (1 - part) + self.lives[:, first] * part
        return Trace(
            np.concatenate([[0.0], self.hours[first:] - hours]),
            np.concatenate([nodes[None], self.nodes_c[first:]]),
            np.concatenate([lives[:, None], self.lives[:, first:]], axis=1),
            self.start_age_h + hours,
            self.buffer,
        )

    def end(self) -> State:
        """The state at the end of the leg."""
        return State(self.start_age_h + float(self.hours[-1]), self.nodes_c[-1], *self.lives[YEAST:, -1])

    def hours_to(self, rise: float) -> Floats:
        """Hours into the leg at which each activity first reaches ``rise``; nan where it never does."""
        return crossings(self.hours, self.signed_rise, rise)


def joined(first: Trace, second: Trace) -> Trace:
    """Two traces of one dough, the second beginning where the first ends, as one.

    Parameters
    ----------
    first : the earlier course
    second : the later course

    Returns
    -------
    One course from the first's beginning to the second's end.
    """
    return Trace(
        np.concatenate([first.hours, second.hours + first.hours[-1]]),
        np.concatenate([first.nodes_c, second.nodes_c]),
        np.concatenate([first.lives, second.lives], axis=1),
        first.start_age_h,
        first.buffer,
    )


def end_to_end(first: Trace, second: Trace) -> Trace:
    """The same without a second row where they meet: nothing was done to the dough there.

    Parameters
    ----------
    first : the earlier course
    second : the later course

    Returns
    -------
    One course from the first's beginning to the second's end.
    """
    return joined(first, Trace(second.hours[1:], second.nodes_c[1:], second.lives[:, 1:], second.start_age_h))


def begin(makeup: Makeup, dough_c: float, factors: int = 1) -> State:
    """A dough that has just been mixed, at one temperature; levain and preferments bring their dissolved gas along.

    What yeasted preferments bring in bubbles is lost in the mixing.

    Parameters
    ----------
    makeup : the dough per 100 g of its flour
    dough_c : temperature of the dough, C, 0-43
    factors : how many equally likely activities, or the activities themselves

    Returns
    -------
    A state with one column an activity.
    """
    ripe_water_g = 100 * makeup.levain_yeast + makeup.gassy_water_g
    dissolved = float(rates.dissolved_gas_ml_per_g_water(np.array(dough_c))) * ripe_water_g * makeup.pressure
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
        sound=ones.copy(),
    )


def free_ml(makeup: Makeup, state: State) -> Floats:
    """Gas in bubbles, ml at 25 C per 100 g flour.

    Parameters
    ----------
    makeup : the dough per 100 g of its flour
    state : where the dough stands, one column an activity of its leaven

    Returns
    -------
    Gas, ml, one column an activity.
    """
    free: Floats = np.maximum(state.kept_ml - _dissolved(makeup, state.nodes_c[None, :])[0], 0)
    return free


def rise_of(makeup: Makeup, state: State) -> Floats:
    """Rise of a state over its gas-free volume, by activity.

    Parameters
    ----------
    makeup : the dough per 100 g of its flour
    state : where the dough stands, one column an activity of its leaven

    Returns
    -------
    Rise, a fraction, one column an activity: gas in bubbles over the volume of the dough without gas.
    """
    kelvin = float(state.nodes_c @ node_shares()) + 273.15
    result: Floats = free_ml(makeup, state) * kelvin / ROOM_K / makeup.gas_free_ml / makeup.pressure
    return result


def handled(makeup: Makeup, state: State, handling: str) -> State:
    """A state after dividing or shaping: some free gas is pressed out, the dough is turned over, its gluten mended.

    Parameters
    ----------
    makeup : the dough per 100 g of its flour
    state : where the dough stands, one column an activity of its leaven
    handling : what hands do: divide, shape, knock_back or a fold

    Returns
    -------
    The state after it.
    """
    kept = state.kept_ml - (1 - gas_kept(handling)) * free_ml(makeup, state)
    sound = 1 - (1 - state.sound) * (1 - gluten_mended(handling))
    return replace(state, kept_ml=kept, nodes_c=mixed(state.nodes_c), sound=sound)


def gas_kept(handling: str) -> float:
    """Share of the free gas that a handling leaves in the dough.

    Parameters
    ----------
    handling : what hands do: divide, shape, knock_back or a fold

    Returns
    -------
    A share, 0-1 (practice).
    """
    return numbers("handling", "handling", "gas_kept_fraction")[handling]


def gluten_mended(handling: str) -> float:
    """Share of its tiredness that a handling takes from gluten: folded strands bind anew.

    Parameters
    ----------
    handling : what hands do: divide, shape, knock_back or a fold

    Returns
    -------
    A share, 0-1 (practice).
    """
    return numbers("handling", "handling", "gluten_mended_fraction")[handling]


def _dissolved(makeup: Makeup, nodes_c: Floats) -> Floats:
    """Gas the dough's water holds, ml per 100 g flour, by time."""
    result: Floats = rates.mean_dissolved_ml(nodes_c, node_shares()) * (100 * makeup.hydration * makeup.pressure)
    return result


@cache
def _tables() -> Tables:
    """Gas made against the work done: the inverse of d(made) = work / (1 + exp((made - half)/width)).

    It begins below nought: sugar that was added is food that flour alone has not.
    """
    half, width = constant("fermentation", "substrate", "half_ml"), constant("fermentation", "substrate", "width_ml")
    made = np.linspace(-1200, 1200, 4801)
    return Tables(made, made + width * np.exp((made - half) / width))


@cache
def _life() -> Life:
    """Constants of what lives in a dough."""

    def yeast(name: str) -> float:
        return constant("fermentation", "bakers_yeast", name)

    return Life(
        levain_gas_ml=constant("fermentation", "levain", "gas_ml_per_100g_flour"),
        bacteria_ceiling=constant("fermentation", "acid", "bacteria_ceiling"),
        bakers_gas_ml=yeast("gas_ml_per_g_per_h"),
        bakers_growth_per_h=yeast("growth_per_h"),
        bakers_ceiling_g=yeast("growth_ceiling_g"),
        growth_lag_h=yeast("growth_lag_h"),
        waking_h=yeast("waking_h"),
        crowded_g=yeast("crowded_g"),
        food_half_ml=constant("fermentation", "substrate", "half_ml"),
        food_width_ml=constant("fermentation", "substrate", "width_ml"),
        leak_per_h=constant("fermentation", "gas", "leak_per_h"),
        sinks_per_h=constant("fermentation", "gas", "sinks_per_h"),
        fold_keeps=gas_kept("fold"),
        fold_mends=gluten_mended("fold"),
    )


def food(made_ml: Floats) -> Floats:
    """Share of full gas making that the food left allows, 0-1.

    Parameters
    ----------
    made_ml : gas made so far, ml at 25 C per 100 g of flour

    Returns
    -------
    A share, 0-1: free sugars first, then those that enzymes free from starch (tuned).
    """
    half, width = constant("fermentation", "substrate", "half_ml"), constant("fermentation", "substrate", "width_ml")
    left: Floats = 1 / (1 + np.exp((made_ml - half) / width))
    return left


def run(makeup: Makeup, state: State, leg: Leg, activity: Floats) -> Trace:
    """Carry ``state`` through one leg. ``activity`` multiplies every rate of life; one column each.

    Parameters
    ----------
    makeup : the dough per 100 g of its flour
    state : where the dough stands, one column an activity of its leaven
    leg : a stretch in steps: surroundings (C), container, folds
    activity : factors on the leaven's pace, 1 the likely one; one column each

    Returns
    -------
    The course: rise, acid, temperatures by time.
    """
    activity = activity * makeup.liveliness
    steps = len(leg.ambient_c) if leg.ambient_c.size > 1 else max(int(np.ceil(leg.hours / STEP_H)), 2)
    ambient = leg.ambient_c if leg.ambient_c.size > 1 else np.full(steps, float(leg.ambient_c.flat[0]))
    step_h = leg.hours / steps
    fold_steps = frozenset(round(fold / step_h) for fold in leg.folds_h if fold < leg.hours)
    nodes = cool(state.nodes_c, leg.piece_g, leg.container, ambient, step_h, fold_steps, leg.fridge, leg.shape)
    hours = np.arange(steps + 1, dtype=np.float64) * step_h
    hours[-1] = leg.hours
    begun = Begun(
        state.age_h, state.yeast, state.bacteria, state.bakers_yeast_g, state.made_ml, state.kept_ml, state.sound
    )
    dough = Kept(
        100 * makeup.hydration, makeup.gas_free_ml, leg.greatest_rise, makeup.pace, makeup.souring, makeup.asleep,
        makeup.waking, makeup.pressure,
    )  # fmt: skip
    folds = fold_flags(steps, fold_steps)
    lives = lived(
        nodes, node_shares(), step_h, folds, begun, activity, dough, rates.tabled(), _life(), wear_of(makeup), _tables()
    )
    return Trace(hours, nodes, lives, state.age_h, makeup.buffer)


def ph_of(bacteria: Floats, buffer: float = 1.0) -> Floats:
    """An index of acidity as pH; not a measurement.

    Parameters
    ----------
    bacteria : lactic bacteria, those of a ripe levain being 1.
    buffer : acid that the flour takes up beside white flour for the same pH; bran and rye take more.

    Returns
    -------
    end + (start - end) exp(-k A / buffer), 3.7-5.9 (tuned).
    """
    start, end = constant("fermentation", "acid", "start_ph"), constant("fermentation", "acid", "end_ph")
    steepness = constant("fermentation", "acid", "steepness") / buffer
    result: Floats = end + (start - end) * np.exp(-steepness * bacteria)
    return result
