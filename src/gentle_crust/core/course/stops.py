"""When a bulk is stopped so that what comes after it comes out right.

A proof that ends by itself finishes what bulk leaves to it; a yeasted dough's bulk leaves it its usual length. Where
nothing after it ends by itself, bulk is stopped where the whole way to the oven comes out right. Doughs stopped at
several moments are carried on side by side, as columns of one.
"""

from collections.abc import Callable
from dataclasses import replace

import numpy as np

from gentle_crust.core.course.fill import Batch, Filled
from gentle_crust.core.course.places import Ground
from gentle_crust.core.course.standing import Fixed, Run, Standing, ends_itself, state_of
from gentle_crust.core.course.targets import usual_proof_h, usual_rise
from gentle_crust.core.course.waiting import LONGEST_H, STEPS_H, Waiting
from gentle_crust.core.fermentation.crossing import crossings, first_crossing
from gentle_crust.core.fermentation.engine import State, Trace, rise_of
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.targets import bulk_bounds, share_of_greatest

Carry = Callable[[Ground, Batch, tuple[Filled, ...], Standing, Fixed], tuple[tuple[Run, ...], Standing]]
"""How doughs are carried on from where a bulk is stopped."""
STOPS = 9
FURTHEST_BULK = 0.65
"""What of what it can hold a bulk may reach, if no proof of its own finishes what it left (practice)."""
COLD_FOLLOWS = 0.15
"""What of its least rise a bulk must have in the room if it goes on in the cold (practice)."""
LEAST_PROOF_H = 0.75
"""And a levain dough's, if it was in the fridge on the way (practice)."""


def stopped(
    waits: Waiting, trace: Trace, usual_h: float, rest: tuple[Filled, ...], fixed: Fixed, carry: Carry
) -> float:
    """When a bulk is stopped so that what comes after it comes out right.

    A proof that ends by itself finishes what bulk leaves to it; a yeasted dough's bulk leaves it its usual length.
    Where nothing after it ends by itself, bulk is stopped where the whole way to the oven comes out right.
    """
    to_oven = _to_oven(rest)
    ending = next((i for i, each in enumerate(to_oven) if ends_itself(each)), None)
    low, high = bulk_bounds(waits.batch.leaven, waits.batch.school)
    high = min(high, 0.5 * waits.batch.holds_bulk)
    low = min(low, 0.7 * high)
    chained = _chained(to_oven)
    if ending is None:
        if not any(_ferments(each) for each in to_oven):
            return _landing(waits, trace, (low, 0.9 * waits.batch.holds_bulk), to_oven, fixed, carry)
        free = waits.batch.school == "by_dough"
        furthest = max(high, FURTHEST_BULK * waits.batch.holds_bulk) if free else high
        return _landing(waits, trace, (COLD_FOLLOWS * low if chained else low, furthest), to_oven, fixed, carry)
    stop = usual_h
    if chained:
        low *= COLD_FOLLOWS
        stop = _on_the_way(waits, trace, low, usual_h, to_oven[:chained], fixed, carry)
    held_cold = any(each.cold and each.stage.minutes is None for each in to_oven[:ending])
    if to_oven[ending].until.way in ("ready", "judged") and (waits.batch.leaven == "yeast" or held_cold):
        return _leaving_a_proof(waits, trace, low, stop, to_oven[: ending + 1], fixed, carry)
    return stop


def _rise(batch: Batch, standing: Standing) -> Floats:
    return rise_of(batch.makeup, state_of(standing))


def _to_oven(rest: tuple[Filled, ...]) -> tuple[Filled, ...]:
    """What lies between here and the oven."""
    end = next((i for i, each in enumerate(rest) if each.kind == "bake"), len(rest))
    return rest[:end]


def _ferments(each: Filled) -> bool:
    return each.stage.minutes is None and each.kind in ("bulk", "proof", "keep", "warm_up")


def _chained(to_oven: tuple[Filled, ...]) -> int:
    """How many stages of waiting follow at once, before hands divide or shape the dough."""
    count = 0
    for each in to_oven:
        if each.kind not in ("bulk", "keep") or ends_itself(each):
            break
        count += 1
    return count


def _stops(waits: Waiting, trace: Trace, low: float, high: float) -> Floats:
    """Hours at which a bulk might be stopped, between two rises."""
    rise = trace.rise[:, trace.rise.shape[1] // 2]
    first, last = first_crossing(trace.hours, rise, low), first_crossing(trace.hours, rise, high)
    top = float(trace.hours[rise.argmax()])
    first = top if np.isnan(first) else first
    last = top if np.isnan(last) else last
    found: Floats = np.linspace(first, max(last, first + 0.05), STOPS)
    return np.minimum(found, float(trace.hours[-1]))


def _side_by_side(waits: Waiting, trace: Trace, stops: Floats) -> tuple[Ground, Standing]:
    """The dough stopped at each of ``stops``, as columns of one, at the temperature of the middle one."""
    states = [_likely(trace.at(float(stop))) for stop in stops]

    def columns(name: str) -> Floats:
        found: Floats = np.concatenate([getattr(state, name) for state in states])
        return found

    side_by_side = replace(
        states[len(states) // 2],
        yeast=columns("yeast"),
        bacteria=columns("bacteria"),
        bakers_yeast_g=columns("bakers_yeast_g"),
        made_ml=columns("made_ml"),
        kept_ml=columns("kept_ml"),
    )
    at = waits.now.at + float(stops[len(stops) // 2])
    standing = replace(waits.now, at=at, state=side_by_side)
    return replace(waits.ground, factors=np.ones(len(stops))), standing


def _likely(state: State) -> State:
    """The likely column of a state alone."""
    middle = len(state.yeast) // 2
    pick = slice(middle, middle + 1)
    return replace(
        state, yeast=state.yeast[pick], bacteria=state.bacteria[pick], bakers_yeast_g=state.bakers_yeast_g[pick],
        made_ml=state.made_ml[pick], kept_ml=state.kept_ml[pick],
    )  # fmt: skip


def _landing(
    waits: Waiting, trace: Trace, bounds: tuple[float, float], to_oven: tuple[Filled, ...], fixed: Fixed, carry: Carry
) -> float:
    """The stop, between two rises, with which the dough meets the oven at its target; the nearest where none does."""
    trace = _long_enough(waits, trace, bounds[1])
    stops = _stops(waits, trace, *bounds)
    ground, standing = _side_by_side(waits, trace, stops)
    _, after = carry(ground, waits.batch, to_oven, standing, fixed)
    shares = share_of_greatest(_rise(waits.batch, after), waits.batch.holds_shaped)
    if shares.max() < waits.batch.target.aim:
        return float(stops[shares.argmax()])
    return float(np.interp(waits.batch.target.aim, np.maximum.accumulate(shares), stops))


def _long_enough(waits: Waiting, trace: Trace, rise: float) -> Trace:
    """The trace, longer if it ends before its dough has come to a rise and may yet."""
    likely = trace.rise[:, trace.rise.shape[1] // 2]
    if likely.max() >= rise or float(trace.hours[-1]) >= LONGEST_H:
        return trace
    return waits.run(next(within for within, _ in STEPS_H if within > float(trace.hours[-1]) + 1e-6))


def _on_the_way(
    waits: Waiting, trace: Trace, low: float, usual_h: float, chain: tuple[Filled, ...], fixed: Fixed, carry: Carry
) -> float:
    """The stop with which a dough that goes on in the cold has its usual rise when it is divided."""
    rise = trace.rise[:, trace.rise.shape[1] // 2]
    first = first_crossing(trace.hours, rise, low)
    if np.isnan(first) or first >= usual_h:
        return usual_h
    stops = np.linspace(first, usual_h, STOPS)
    ground, standing = _side_by_side(waits, trace, stops)
    _, after = carry(ground, waits.batch, chain, standing, fixed)
    wanted = float(usual_rise(waits.batch, np.array([22.0]))[0])
    reached = np.maximum.accumulate(_rise(waits.batch, after))
    return float(np.interp(wanted, reached, stops))


def _leaving_a_proof(
    waits: Waiting, trace: Trace, low: float, usual_h: float, to_proof: tuple[Filled, ...], fixed: Fixed, carry: Carry
) -> float:
    """The latest stop of a bulk that leaves its proof the usual length; the earliest where none leaves enough.

    What bulk and proof make together is bounded by what the shaped dough can hold: the more bulk takes, the less the
    proof has.
    """
    rise = trace.rise[:, trace.rise.shape[1] // 2]
    first = first_crossing(trace.hours, rise, low)
    if np.isnan(first) or first >= usual_h:
        return usual_h
    stops = np.linspace(first, usual_h, STOPS)
    ground, standing = _side_by_side(waits, trace, stops)
    _, shaped = carry(ground, waits.batch, to_proof[:-1], standing, fixed)
    longest = usual_proof_h(usual_h) * 2
    proof = Waiting(
        ground, waits.batch, to_proof[-1], replace(shaped, shaped=True), state_of(shaped), waits.batch.holds_shaped
    )
    went = proof.run(longest, ())
    ready = crossings(went.hours, share_of_greatest(went.rise, waits.batch.holds_shaped), waits.batch.target.aim)
    least = [usual_proof_h(float(stop)) if waits.batch.leaven == "yeast" else LEAST_PROOF_H for stop in stops]
    spare = np.where(np.isnan(ready), longest, ready) - np.array(least)
    if spare[0] <= 0:
        return float(stops[0])
    return float(np.interp(0.0, np.minimum.accumulate(spare)[::-1], stops[::-1]))
