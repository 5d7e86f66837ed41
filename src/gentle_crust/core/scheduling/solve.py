"""When to mix: the times at which bulk, shaping and proof must fall so that the loaf meets the oven in time.

All times are hours from the clock's origin. The oven's time is given; everything before it is found.
"""

from dataclasses import dataclass, replace

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.targets import usual_proof_h
from gentle_crust.core.fermentation.engine import State, Trace, crossings, first_crossing, rise_of
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.targets import bulk_bounds, bulk_rise, share_of_greatest
from gentle_crust.core.fermentation.uncertainty import ONE
from gentle_crust.core.scheduling.course import Recipe, run_bulk, run_proof, shape

LONGEST_H = 120.0
"""So long a dough is followed in a cold kitchen for its rise or its proof."""
SHORTEST_H = 0.5
FRIDGE_HOURS = (12.0, 11.0, 13.0, 10.0, 14.0, 9.0, 15.0, 8.0, 16.0, 17.0, 18.0)
"""Cold proofs that are tried, the one bakers like best first."""
WAITS_H = (0.0, 0.5, 1.0, 2.0, 3.0)
"""Times in the room that a shaped dough may be given before the fridge."""
NEAR_ENOUGH_H = 0.1
"""A correction this small leaves an error of a minute or less behind it: each round shrinks it tenfold."""


@dataclass(frozen=True)
class Times:
    """The times of one course, hours from the clock's origin."""

    mix: float
    bulk_end: float
    proof_start: float
    load: float
    chill: float | None = None
    """When the shaped dough goes into the fridge, if not at once when it is shaped."""
    reshape: float | None = None
    """When an over-proofed dough was folded gently and shaped again."""

    @property
    def into_fridge(self) -> float:
        """When a cold proof turns cold."""
        return self.proof_start if self.chill is None else self.chill

    @property
    def waits_h(self) -> float:
        """Hours that the shaped dough stands in the room before the fridge."""
        return self.into_fridge - self.proof_start


def fridge_hours(days: int) -> tuple[float, ...]:
    """Lengths of a cold proof that are tried, ``days`` longer than over night."""
    return tuple(hours + 24 * days for hours in FRIDGE_HOURS)


def _bulk_stop_hours(made: Recipe, hours: Floats, dough_c: Floats, rise: Floats) -> float:
    """Hours after mixing at which the rise reaches the default for the dough's temperature at that moment."""
    low, high = bulk_bounds(made.wish.formula.leaven, made.wish.school)
    wanted = np.clip(bulk_rise(made.wish.formula.leaven, dough_c), low, high)
    wanted = np.minimum(wanted, 0.5 * made.holds_bulk)
    return first_crossing(hours, rise - wanted, 0.0)


def _bulk_in_room(made: Recipe, clock: Clock, mix: float, about_h: float) -> tuple[Trace, float]:
    """Bulk from ``mix``, and the hours at which its rise is there; where it never is, those of its greatest rise."""
    for horizon in (min(about_h * 1.5 + 1, LONGEST_H), LONGEST_H):
        bulk = run_bulk(made, clock, mix, horizon, ONE)
        found = _bulk_stop_hours(made, bulk.hours, bulk.dough_c, bulk.rise[:, 0])
        if not np.isnan(found):
            return bulk, found
    return bulk, max(float(bulk.hours[bulk.rise[:, 0].argmax()]), SHORTEST_H)


def _proof_in_room(made: Recipe, clock: Clock, start: float, state: State, about_h: float) -> float:
    """Hours until a shaped dough is proofed in the room; where it never is, until it is highest."""
    for horizon in (min(about_h * 1.6 + 1, LONGEST_H), LONGEST_H):
        proof = run_proof(made, clock, start, horizon, state, ONE)
        shares = share_of_greatest(proof.rise[:, 0], made.holds_shaped)
        ready = first_crossing(proof.hours, shares, made.target.aim)
        if not np.isnan(ready):
            return ready
    return max(float(proof.hours[shares.argmax()]), SHORTEST_H)


def _leaving_a_proof(made: Recipe, clock: Clock, mix: float, bulk: Trace, stop_h: float) -> float:
    """The latest stop of a yeasted bulk, up to ``stop_h``, that leaves its proof the usual length.

    What bulk and proof make together is bounded by what the shaped dough can hold: the more bulk takes, the less the
    proof has. Where no stop leaves enough, the earliest.
    """
    least = bulk_bounds(made.wish.formula.leaven, made.wish.school)[0]
    first = first_crossing(bulk.hours, bulk.rise[:, 0], min(least, 0.5 * made.holds_bulk))
    if np.isnan(first) or first >= stop_h:
        return stop_h
    stops = np.linspace(first, stop_h, 9)
    states = _columns([bulk.at(float(stop)) for stop in stops])
    many = np.ones(len(stops))
    shaped = shape(made, clock, mix + stop_h, states, many)
    longest = usual_proof_h(stop_h) * 2
    proof = run_proof(made, clock, mix + stop_h + made.handling_h, longest, shaped.state, many)
    ready = crossings(proof.hours, share_of_greatest(proof.rise, made.holds_shaped), made.target.aim)
    spare = np.where(np.isnan(ready), longest, ready) - np.array([usual_proof_h(float(stop)) for stop in stops])
    if spare[0] <= 0:
        return float(stops[0])
    return float(np.interp(0.0, np.minimum.accumulate(spare)[::-1], stops[::-1]))


def room_times(made: Recipe, clock: Clock, load: float) -> Times:
    """Times for a proof in the room that is ready at ``load``.

    Bulk and proof hardly change when moved by minutes, so moving the mix by the error converges at once. A dough
    that never comes to its rise or its proof there is given as long as it rises: the caller sees what it lacks.
    """
    mix = load - 8.0
    bulk_h, proof_h = 6.0, 3.0
    for _ in range(6):
        bulk, bulk_h = _bulk_in_room(made, clock, mix, bulk_h)
        if made.wish.formula.leaven == "yeast":
            bulk_h = _leaving_a_proof(made, clock, mix, bulk, bulk_h)
        shaped = shape(made, clock, mix + bulk_h, bulk.at(bulk_h), ONE)
        start = mix + bulk_h + made.handling_h
        proof_h = _proof_in_room(made, clock, start, shaped.state, proof_h)
        late = start + proof_h - load
        mix -= late
        if abs(late) < NEAR_ENOUGH_H:
            break
    return Times(load - proof_h - made.handling_h - bulk_h, load - proof_h - made.handling_h, load - proof_h, load)


def cold_shares(
    made: Recipe,
    clock: Clock,
    bulk: Trace,
    stops: Floats,
    proof_start: float,
    proof_h: float,
    wait_h: float = 0.0,
    activity: float = 1.0,
) -> tuple[Floats, State]:
    """Shares of greatest volume at the oven if bulk were stopped at each of ``stops`` (hours), and the shaped doughs.

    All are set to proof at ``proof_start`` for ``proof_h``, ``wait_h`` of it in the room.
    """
    states = _columns([bulk.at(float(stop)) for stop in stops])
    many = np.full(len(stops), activity)
    shaped = shape(made, clock, proof_start - made.handling_h, states, many)
    proof = run_proof(made, clock, proof_start, proof_h, shaped.state, many, wait_h)
    return share_of_greatest(proof.rise[-1], made.holds_shaped), shaped.state


def _columns(states: list[State]) -> State:
    """Several states as the columns of one, at the temperature of the middle one."""
    middle = states[len(states) // 2]
    return replace(
        middle,
        yeast=np.concatenate([state.yeast for state in states]),
        bacteria=np.concatenate([state.bacteria for state in states]),
        bakers_yeast_g=np.concatenate([state.bakers_yeast_g for state in states]),
        made_ml=np.concatenate([state.made_ml for state in states]),
        kept_ml=np.concatenate([state.kept_ml for state in states]),
    )


def cold_times(made: Recipe, clock: Clock, load: float, fridge_h: float, bulk_h: float = 5.0) -> Times:
    """Times for a cold proof of ``fridge_h``: bulk is stopped where the whole way to the oven comes out right.

    The rise at the end of bulk stays within its bounds; whether the target is then met is for the caller to see.
    """
    low, high = bulk_bounds(made.wish.formula.leaven, made.wish.school)
    high = min(high, 0.5 * made.holds_bulk)
    low = min(low, 0.7 * high)
    wait_h = 0.0
    for _ in range(10):
        bulk_end = load - fridge_h - made.handling_h - wait_h
        bulk = run_bulk(made, clock, bulk_end - bulk_h, min(bulk_h * 1.6 + 1, LONGEST_H), ONE)
        earliest = first_crossing(bulk.hours, bulk.rise[:, 0], low)
        latest = first_crossing(bulk.hours, bulk.rise[:, 0], high)
        earliest = bulk.hours[-1] if np.isnan(earliest) else earliest
        latest = bulk.hours[-1] if np.isnan(latest) else latest
        stops = np.linspace(earliest, max(latest, earliest + 0.1), 7)
        stops = np.minimum(stops, bulk.hours[-1])
        start = load - fridge_h - wait_h
        shares, shaped = cold_shares(made, clock, bulk, stops, start, fridge_h + wait_h, wait_h)
        found = float(np.interp(made.target.aim, np.maximum.accumulate(shares), stops))
        moved, bulk_h = abs(found - bulk_h), found
        if shares.max() < made.target.low and not wait_h:
            wait_h = _wait_in_room(made, clock, load - fridge_h, fridge_h, shaped)
            if wait_h:
                continue
        if moved < NEAR_ENOUGH_H:
            break
    bulk_end = load - fridge_h - made.handling_h - wait_h
    return Times(bulk_end - bulk_h, bulk_end, load - fridge_h - wait_h, load, load - fridge_h)


def _wait_in_room(made: Recipe, clock: Clock, chill: float, fridge_h: float, shaped: State) -> float:
    """How long the riper of some shaped doughs must stand in the room first so that the fridge can finish it.

    If no wait brings it to the aim, the one that brings it nearest: too long a wait, and it sinks in the fridge.
    """
    riper = replace(
        shaped,
        **{name: getattr(shaped, name)[-1:] for name in ("yeast", "bacteria", "bakers_yeast_g", "made_ml", "kept_ml")},
    )
    shares = []
    for wait in WAITS_H:
        proof = run_proof(made, clock, chill - wait, fridge_h + wait, riper, ONE, wait)
        shares.append(float(share_of_greatest(proof.rise[-1], made.holds_shaped)[0]))
    if max(shares) < made.target.aim:
        return WAITS_H[shares.index(max(shares))]
    return float(np.interp(made.target.aim, np.maximum.accumulate(shares), WAITS_H))


def least_rise(made: Recipe) -> float:
    """The least rise at which this dough's bulk is stopped, as a fraction: below it, it has hardly fermented."""
    return min(bulk_bounds(made.wish.formula.leaven, made.wish.school)[0], 0.35 * made.holds_bulk)


def rise_at_bulk_end(made: Recipe, state: State) -> float:
    """Rise of the likely dough when bulk is stopped."""
    rise = rise_of(made.makeup, state)
    return float(rise[len(rise) // 2])
