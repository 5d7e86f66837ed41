"""A plan that is being baked: what was read of its dough moves what comes later."""

from dataclasses import dataclass, replace

import numpy as np
from scipy.optimize import brentq

from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.engine import first_crossing
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.readings import RISES, Reading, believed, check, doubts, grid, in_words, update
from gentle_crust.core.fermentation.targets import bulk_bounds, share_of_greatest
from gentle_crust.core.fermentation.uncertainty import Vigour, activities
from gentle_crust.core.scheduling.carry import carry
from gentle_crust.core.scheduling.clock import Clock
from gentle_crust.core.scheduling.course import Recipe, run_bulk
from gentle_crust.core.scheduling.leaven import Ripening
from gentle_crust.core.scheduling.result import PlanTimes, Told
from gentle_crust.core.scheduling.solve import Times
from gentle_crust.core.scheduling.whole import Course

JUST_MIXED_H = 0.5
"""A temperature taken this soon is that of the dough from the bowl; a later one tells of the room."""
FINE: Floats = np.ones(11)
MOST_ROOM_K = 8.0
LONGEST_AFTER_H = 14.0
STOPS = 6


@dataclass(frozen=True)
class Following:
    """The plan's own times, and what was read since; readings count from mixing."""

    times: PlanTimes
    bulk_rise: float
    """The rise at which the plan stops bulk."""
    readings: tuple[Reading, ...]


def plan_times(times: Times, clock: Clock) -> PlanTimes:
    """A course's times as instants."""
    return PlanTimes(
        *(clock.at(at) for at in (times.mix, times.bulk_end, times.proof_start, times.load, times.into_fridge))
    )


def follow(
    made: Recipe, clock: Clock, following: Following, ripenings: tuple[Ripening, ...]
) -> tuple[Course, Clock, Told]:
    """The course of a plan that is being baked, its kitchen as the readings show it, and what they told."""
    made, clock, times, told = _believed(made, clock, following)
    factors = activities(told.vigour)
    course = carry(made, clock, times, ripenings, factors)
    return _with_later_times(course, clock, factors, following), clock, told


def _believed(made: Recipe, clock: Clock, following: Following) -> tuple[Recipe, Clock, Times, Told]:
    """The recipe and the kitchen as the readings show them, the plan's times, and how lively the dough is."""
    for index, reading in enumerate(following.readings):
        check(reading, f"readings.{index}")
    at = following.times
    times = Times(
        *(clock.hours(when) for when in (at.mix, at.bulk_end, at.proof_start, at.load, at.chill)),
    )
    if times.bulk_end <= times.mix:
        raise CraftError("times", "The plan has no bulk to follow.", "Plan it anew.")
    odd = doubts(following.readings)
    doubted = {doubt.index for doubt in odd}
    warm = [
        each
        for index, each in enumerate(following.readings)
        if each.kind == "dough_c" and index not in doubted and each.at_h <= times.bulk_end - times.mix + 1
    ]
    for reading in warm:
        made, clock = _warmer(made, clock, times.mix, reading)
    prior = made.wish.belief
    span_h = max(times.bulk_end - times.mix, *(each.at_h for each in following.readings), 0.5)
    factors = grid(prior)
    bulk = run_bulk(made, clock, times.mix, span_h + 0.5, factors)

    def rise_at(hours: float) -> Floats:
        return np.array([np.interp(hours, bulk.hours, column) for column in bulk.rise.T])

    in_bulk = _in_bulk(following)
    vigour = update(in_bulk, rise_at, prior) if any(each.kind != "dough_c" for each in in_bulk) else prior
    in_proof = tuple(each for each in following.readings if each.kind == "ready" and each not in in_bulk)
    if in_proof:
        vigour = _after_proof(made, clock, times, vigour, in_proof)
    told = in_words(vigour) if in_bulk or in_proof else ""
    return made, clock, times, Told(vigour, told, odd)


def _in_bulk(following: Following) -> tuple[Reading, ...]:
    """Readings taken before the dough was to be shaped."""
    shaped_h = (following.times.proof_start - following.times.mix).total_seconds() / 3600
    return tuple(each for each in following.readings if each.at_h < shaped_h)


def _after_proof(made: Recipe, clock: Clock, times: Times, vigour: Vigour, ready: tuple[Reading, ...]) -> Vigour:
    """The belief once a shaped dough was judged ready: at that time it stood at its proof's target."""
    proof = carry(made, clock, times, (), grid(vigour)).proof
    aim = made.target.aim * (1 + made.holds_shaped) - 1
    begun = times.proof_start - times.mix

    def rise_at(hours: float) -> Floats:
        return np.array([np.interp(hours - begun, proof.hours, column) for column in proof.rise.T])

    return update(tuple(replace(each, value=aim) for each in ready), rise_at, vigour)


def _stop_for_oven(course: Course, clock: Clock, likely_factor: Floats, bulk_rise: float) -> float:
    """Hours after mixing at which bulk must stop so that a cold proof, loaded as planned, comes out right."""
    made, times = course.recipe, course.times
    likely = course.bulk.rise[:, course.bulk.rise.shape[1] // 2]
    low, high = bulk_bounds(made.wish.formula.leaven, made.wish.school)
    ends = [first_crossing(course.bulk.hours, likely, rise) for rise in (min(low, bulk_rise), max(high, bulk_rise))]
    early, late = (course.bulk.hours[-1] if np.isnan(end) else end for end in ends)
    stops = np.linspace(early, max(late, early + 0.1), STOPS)
    shares = []
    for stop in stops:
        start = times.mix + stop + made.handling_h
        tried = Times(times.mix, times.mix + stop, start, max(times.load, start + 1), start)
        shares.append(carry(made, clock, tried, (), likely_factor).likely_share(tried.load - start))
    return float(np.interp(made.target.aim, np.maximum.accumulate(shares), stops))


def _warmer(made: Recipe, clock: Clock, mix: float, reading: Reading) -> tuple[Recipe, Clock]:
    """A reading of temperature corrects where the dough began, or else how warm the room is; nothing of the leaven."""
    if reading.at_h <= JUST_MIXED_H:
        return replace(made, wish=replace(made.wish, dough_c=reading.value)), clock

    def off(more_k: float) -> float:
        trace = run_bulk(made, _shifted(clock, more_k), mix, reading.at_h + 0.5, FINE)
        return float(np.interp(reading.at_h, trace.hours, trace.dough_c)) - reading.value

    if off(-MOST_ROOM_K) >= 0:
        return made, _shifted(clock, -MOST_ROOM_K)
    if off(MOST_ROOM_K) <= 0:
        return made, _shifted(clock, MOST_ROOM_K)
    return made, _shifted(clock, float(brentq(off, -MOST_ROOM_K, MOST_ROOM_K, xtol=0.05)))


def _shifted(clock: Clock, more_k: float) -> Clock:
    room = clock.room
    return replace(clock, room=replace(room, day_c=room.day_c + more_k, night_c=room.night_c + more_k))


def _with_later_times(course: Course, clock: Clock, factors: Floats, following: Following) -> Course:
    """The course with bulk stopped, and a room proof ended, when this dough is really there; never before a reading."""
    made, times = course.recipe, course.times
    middle = course.bulk.rise.shape[1] // 2
    cold = made.wish.proof == "cold"
    if cold:
        stop = _stop_for_oven(course, clock, factors[middle : middle + 1], following.bulk_rise)
    else:
        stop = first_crossing(course.bulk.hours, course.bulk.rise[:, middle], following.bulk_rise)
        stop = course.bulk.hours[-1] if np.isnan(stop) else stop
    read_h = [each.at_h for each in believed(_in_bulk(following)) if each.kind in RISES]
    moved = times.mix + max(stop, *read_h, 0.0) - times.bulk_end
    later = Times(
        times.mix,
        times.bulk_end + moved,
        times.proof_start + moved,
        max(times.load, times.proof_start + moved + 1) if cold else times.load + moved,
        None if not cold else times.into_fridge + moved,
    )
    again = carry(made, clock, later, course.ripenings, factors)
    if cold:
        return again
    shares = share_of_greatest(again.proof.rise[:, middle], made.holds_shaped)
    ready = first_crossing(again.proof.hours, shares, made.target.aim)
    if np.isnan(ready):
        ready = min(again.proof.hours[-1], LONGEST_AFTER_H)
    return carry(made, clock, replace(later, load=later.proof_start + ready), course.ripenings, factors)
