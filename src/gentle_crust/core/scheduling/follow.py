"""A plan that is being baked: what was done and what was read of its dough moves what comes later."""

from dataclasses import dataclass, field, replace
from datetime import datetime

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.engine import Trace, first_crossing
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.readings import (
    RISES,
    Looked,
    Reading,
    believed,
    check,
    doubts,
    grid,
    said_of,
    update,
)
from gentle_crust.core.fermentation.targets import bulk_bounds, proof_target, share_of_greatest
from gentle_crust.core.fermentation.uncertainty import ONE, Vigour, activities
from gentle_crust.core.leaven.ripening import HANDS_MIN, Ripening
from gentle_crust.core.messages import NOTHING
from gentle_crust.core.oven.equipment import vessel_row
from gentle_crust.core.scheduling.carry import carry
from gentle_crust.core.scheduling.course import Recipe, run_bulk
from gentle_crust.core.scheduling.happened import Happened
from gentle_crust.core.scheduling.result import Dues, PlanTimes, Told
from gentle_crust.core.scheduling.solve import Times, cold_shares
from gentle_crust.core.scheduling.whole import Course

JUST_MIXED_H = 0.5
"""A temperature taken this soon is that of the dough from the bowl; a later one tells of the room."""
FINE: Floats = np.ones(11)
MOST_ROOM_K = 8.0
LEAST_PER_K = 0.02
"""A dough that answers its room by less than this, K per K, tells nothing of it yet."""
LONGEST_AFTER_H = 14.0
STOPS = 6
FOLD_MIN = 3
"""What a fold takes, min: it is pressed done when it is over."""
FORGIVING = 0.7
"""After a late fold the next may follow in this part of the usual time (practice)."""
SHORTEST_COLD_H = 1.0
SHORT_AGAIN, LONGEST_AGAIN_H = 0.9, 2.0
"""A dough that was shaped again is tired: proofed to this part of its target, and no longer than this (practice)."""


@dataclass(frozen=True)
class Following:
    """The plan's own times, what was read and seen since (counted from mixing), and what was done.

    ``now``: what is still to be done is done from then on; None while only readings are looked at.
    """

    times: PlanTimes
    bulk_rise: float
    """The rise at which the plan stops bulk."""
    readings: tuple[Reading, ...] = ()
    looked: tuple[Looked, ...] = ()
    happened: Happened = field(default_factory=Happened)
    now: datetime | None = None


def plan_times(times: Times, clock: Clock) -> PlanTimes:
    """A course's times as instants."""
    return PlanTimes(
        *(clock.at(at) for at in (times.mix, times.bulk_end, times.proof_start, times.load, times.into_fridge))
    )


def mixed_at(following: Following, made: Recipe, clock: Clock) -> float:
    """When the dough was mixed, or will be, hours from the clock's origin, whatever the time is now."""
    done = following.happened.done("mix-1")
    if done is not None:
        return clock.hours(done) - made.mix_min / 60
    planned = clock.hours(following.times.mix)
    until = following.happened.until("mix-1")
    return planned if until is None else max(planned, clock.hours(until))


def _rested(made: Recipe, clock: Clock, following: Following) -> float:
    """Before when flour and water have not rested long enough, if they were or will be stirred late."""
    stirred = following.happened.done("autolyse-1")
    until = following.happened.until("autolyse-1")
    if following.happened.done("mix-1") is not None or (stirred is None and until is None):
        return -np.inf
    begun = clock.hours(stirred) - HANDS_MIN / 60 if stirred is not None else clock.hours(until or following.times.mix)
    return begun + made.wish.formula.autolyse_min / 60


def follow(
    made: Recipe, clock: Clock, following: Following, ripenings: tuple[Ripening, ...]
) -> tuple[Course, Clock, Told, Dues]:
    """The course of a plan that is being baked, its kitchen as the readings show it, what they told, what is due."""
    clock = replace(clock, stands=(*clock.stands, *following.happened.stands))
    made = _turned_cold(made, following)
    ripenings, late = _as_they_were_begun(ripenings, clock, following)
    due_mix = max(mixed_at(following, made, clock) + late, _rested(made, clock, following))
    times = _so_far(made, clock, following, due_mix)
    made = replace(made, folds_at_h=_folds(made, clock, times.mix, following))
    made, clock, told = _believed(made, clock, times, following)
    factors = activities(told.vigour)
    bulk = run_bulk(made, clock, times.mix, (times.bulk_end - times.mix) * 1.6 + 1.5, _likely(factors))
    times, dues = _with_later_times(_Bulk(made, times, bulk), clock, _likely(factors), following)
    course = carry(made, clock, times, ripenings, factors)
    return course, clock, told, replace(dues, mix=clock.at(due_mix))


@dataclass(frozen=True)
class _Bulk:
    """The likely dough through its bulk, and the times so far."""

    recipe: Recipe
    times: Times
    bulk: Trace


def _likely(factors: Floats) -> Floats:
    """The likely activity alone."""
    middle = len(factors) // 2
    return factors[middle : middle + 1]


def fold_hours(planned_h: tuple[float, ...], mix: float, clock: Clock, happened: Happened) -> dict[int, float]:
    """When each fold was done or is due, hours after mixing, by its number; those left out are not in it.

    A late fold pushes the next only as far as it must: folds are forgiving.
    """
    found: dict[int, float] = {}
    last: float | None = None
    for number, planned in enumerate(planned_h, 1):
        key = f"fold-{number}"
        done = happened.done(key)
        gap = planned - planned_h[number - 2] if number > 1 else 0.0
        if done is not None:
            found[number] = last = clock.hours(done) - mix - FOLD_MIN / 60
        elif not happened.skipped(key):
            due = planned if last is None else max(planned, last + FORGIVING * gap)
            until = happened.until(key)
            found[number] = last = due if until is None else max(due, clock.hours(until) - mix)
    return found


def _folds(made: Recipe, clock: Clock, mix: float, following: Following) -> tuple[float, ...] | None:
    """Folds of this dough, hours after mixing; None if there is nothing to say beyond the plan."""
    happened = following.happened
    if following.now is None and not happened.deeds:
        return None
    found = list(fold_hours(made.fold_times_h, mix, clock, happened).values())
    if following.now is not None:
        since = clock.hours(following.now) - mix
        done = {clock.hours(deed.at) - mix - FOLD_MIN / 60 for deed in happened.deeds}
        found = [each if each in done else max(each, since) for each in found]
    found += [clock.hours(at) - mix - FOLD_MIN / 60 for at in happened.extra_folds]
    return tuple(sorted(each for each in found if each > 0))


def _turned_cold(made: Recipe, following: Following) -> Recipe:
    """The recipe with its proof in the fridge, if the baker put it there instead of leaving it in the room."""
    if following.happened.cold_from is None or made.wish.proof == "cold":
        return made
    group = vessel_row(made.wish.vessel.kind)["proof_group"]
    return replace(made, wish=replace(made.wish, proof="cold"), target=proof_target(group, cold=True))


def _as_they_were_begun(
    ripenings: tuple[Ripening, ...], clock: Clock, following: Following
) -> tuple[tuple[Ripening, ...], float]:
    """Feeds and builds at the times at which they were really made; and by how much that delays the mixing, h."""
    happened, now = following.happened, following.now
    mixed = happened.done("mix-1") is not None
    if mixed:
        now = None
    count: dict[str, int] = {}
    moved, late = [], 0.0
    for each in ripenings:
        kind = each.kind if each.kind in ("feed", "levain") else "preferment"
        count[kind] = count.get(kind, 0) + 1
        key = f"{kind}-{count[kind]}"
        done = happened.done(key)
        start = each.start + late if kind == "levain" else each.start
        until = happened.until(key)
        if done is not None:
            start = clock.hours(done) - HANDS_MIN / 60
        elif not mixed and not happened.settled(key):
            start = max([start, *(clock.hours(at) for at in (until, now) if at is not None)])
        shift = start - each.start
        moved.append(_shifted_by(each, shift))
        late = max(late, shift)
    return tuple(moved), 0.0 if mixed else late


def _shifted_by(ripening: Ripening, hours: float) -> Ripening:
    def moved(span_: float | None) -> float | None:
        return None if span_ is None else span_ + hours

    ripe, spent = (
        replace(each, low=moved(each.low), likely=moved(each.likely), high=moved(each.high))
        for each in (ripening.ripe, ripening.spent)
    )
    return replace(
        ripening,
        start=ripening.start + hours,
        wanted=max(ripening.wanted, ripening.wanted + hours),
        ripe=ripe,
        spent=spent,
    )


def _so_far(made: Recipe, clock: Clock, following: Following, due_mix: float) -> Times:
    """The plan's times, with what was done in its place and the rest moved along."""
    at, happened = following.times, following.happened
    planned = Times(*(clock.hours(when) for when in (at.mix, at.bulk_end, at.proof_start, at.load, at.chill)))
    if planned.bulk_end <= planned.mix:
        raise CraftError("times", "scheduling-no-bulk")
    mix = due_mix
    divided, shaped = _divided(made, clock, happened), _done(clock, happened, "shape-1")
    begun = happened.settled("mix-1") or divided is not None or shaped is not None
    if following.now is not None and not begun:
        mix = max(mix, clock.hours(following.now))
    ended = divided if divided is not None else shaped
    if ended is not None and mix >= ended:
        mix = ended - (planned.bulk_end - planned.mix)
    moved = mix - planned.mix
    bulk_end = planned.bulk_end + moved if divided is None else divided
    handling = planned.proof_start - planned.bulk_end
    proof_start = max(bulk_end + handling, bulk_end + 0.05) if shaped is None else max(shaped, bulk_end + 0.05)
    cold = made.wish.proof == "cold"
    chill = _chilled(clock, happened, proof_start + planned.waits_h, proof_start) if cold else None
    load = planned.load if cold and happened.cold_from is None else planned.load + proof_start - planned.proof_start
    if happened.load_at is not None:
        load = clock.hours(happened.load_at)
    loaded = _done(clock, happened, "load-1")
    load = max(load, proof_start + 0.1) if loaded is None else max(loaded, proof_start + 0.1)
    again = happened.done("reshape-1") or happened.reshaped
    reshape = None if again is None or clock.hours(again) <= proof_start else clock.hours(again)
    return Times(mix, bulk_end, proof_start, load, chill, reshape)


def _done(clock: Clock, happened: Happened, key: str) -> float | None:
    at = happened.done(key)
    return None if at is None else clock.hours(at)


def _divided(made: Recipe, clock: Clock, happened: Happened) -> float | None:
    """When bulk was really stopped: as dividing began, or shaping where that is all one."""
    if made.rest_min:
        done, took = _done(clock, happened, "divide-1"), made.divide_min
    else:
        done, took = _done(clock, happened, "shape-1"), made.divide_min + made.shape_min
    return None if done is None else done - took / 60


def _chilled(clock: Clock, happened: Happened, planned: float, proof_start: float) -> float:
    done = _done(clock, happened, "chill-1")
    if done is None and happened.cold_from is not None:
        done = clock.hours(happened.cold_from)
    return max(planned if done is None else done, proof_start)


def _believed(made: Recipe, clock: Clock, times: Times, following: Following) -> tuple[Recipe, Clock, Told]:
    """The recipe and the kitchen as the readings show them, and how lively the dough is."""
    for index, reading in enumerate(following.readings):
        check(reading, f"readings.{index}")
    odd = doubts(following.readings)
    doubted = {doubt.index for doubt in odd}
    bulk_h = times.bulk_end - times.mix
    warm = [
        each
        for index, each in enumerate(following.readings)
        if each.kind == "dough_c" and index not in doubted and each.at_h <= bulk_h + 1
    ]
    for reading in thinned(warm):
        made, clock = _warmer(made, clock, times.mix, reading)
    prior = made.wish.belief
    in_bulk = _in_bulk(made, clock, following, times)
    looked = tuple(each for each in following.looked if each.at_h < times.proof_start - times.mix)
    if not looked and not any(each.kind != "dough_c" for each in following.readings) and not following.looked:
        return made, clock, Told(prior, NOTHING, odd)
    last = max([each.at_h for each in in_bulk] + [each.at_h for each in looked], default=0.5)
    bulk = run_bulk(made, clock, times.mix, max(bulk_h, last, 0.5) + 0.5, grid(prior))

    def rise_at(hours: float) -> Floats:
        return np.array([np.interp(hours, bulk.hours, column) for column in bulk.rise.T])

    told = any(each.kind != "dough_c" for each in in_bulk) or bool(looked)
    vigour = update(in_bulk, rise_at, prior, looked) if told else prior
    in_proof = tuple(each for each in following.readings if each.kind == "ready" and each not in in_bulk)
    seen = tuple(each for each in following.looked if each not in looked)
    if in_proof or seen:
        vigour = _after_proof(made, clock, times, vigour, in_proof, seen)
    told = told or bool(in_proof) or bool(seen)
    return made, clock, Told(vigour, said_of(vigour) if told else NOTHING, odd)


def bulk_warmth(made: Recipe, clock: Clock, following: Following, when: tuple[datetime, ...]) -> tuple[float, ...]:
    """The dough's temperature in its bowl at some instants, as foretold before any thermometer is looked at, C."""
    clock = replace(clock, stands=(*clock.stands, *following.happened.stands))
    mix = mixed_at(following, made, clock)
    hours = [max(clock.hours(at) - mix, 0.0) for at in when]
    trace = run_bulk(made, clock, mix, max(*hours, 0.5) + 0.5, ONE)
    return tuple(float(np.interp(each, trace.hours, trace.dough_c)) for each in hours)


def thinned(warm: list[Reading]) -> list[Reading]:
    """Of many temperatures the one just after mixing and the latest: each says where the room stands now."""
    early = [each for each in warm if each.at_h <= JUST_MIXED_H]
    late = [each for each in warm if each.at_h > JUST_MIXED_H]
    return [*early[-1:], *late[-1:]]


def _in_bulk(made: Recipe, clock: Clock, following: Following, times: Times) -> tuple[Reading, ...]:
    """Readings of a dough that was still in its bowl: a rise, until it was really divided, however late that is.

    A dough judged ready when it was to be shaped already was judged in its proof, unless it is known to be whole yet.
    """
    shaped_h = times.proof_start - times.mix
    happened = following.happened
    divided = _divided(made, clock, happened) is not None or happened.done("shape-1") is not None
    known_whole = following.now is not None and not divided

    def of_bulk(reading: Reading) -> bool:
        return reading.at_h < shaped_h or (not divided and (reading.kind != "ready" or known_whole))

    return tuple(each for each in following.readings if of_bulk(each))


def _after_proof(
    made: Recipe, clock: Clock, times: Times, vigour: Vigour, ready: tuple[Reading, ...], looked: tuple[Looked, ...]
) -> Vigour:
    """The belief once a shaped dough was looked at; judged ready, it stood at its proof's target."""
    last = max([each.at_h for each in ready] + [each.at_h for each in looked]) + times.mix
    proof = carry(made, clock, replace(times, load=max(times.load, last)), (), grid(vigour)).proof
    aim = made.target.aim * (1 + made.holds_shaped) - 1
    begun = times.proof_start - times.mix

    def rise_at(hours: float) -> Floats:
        return np.array([np.interp(hours - begun, proof.hours, column) for column in proof.rise.T])

    return update(tuple(replace(each, value=aim) for each in ready), rise_at, vigour, looked)


def _stop_for_oven(course: _Bulk, clock: Clock, likely: Floats, bulk_rise: float) -> float:
    """Hours after mixing at which bulk must stop so that a cold proof, loaded as planned, comes out right."""
    made, times = course.recipe, course.times
    rise = course.bulk.rise[:, 0]
    low, high = bulk_bounds(made.wish.formula.leaven, made.wish.school)
    ends = [first_crossing(course.bulk.hours, rise, aim) for aim in (min(low, bulk_rise), max(high, bulk_rise))]
    early, late = (course.bulk.hours[-1] if np.isnan(end) else end for end in ends)
    stops = np.minimum(np.linspace(early, max(late, early + 0.1), STOPS), course.bulk.hours[-1])
    found = float(stops[STOPS // 2])
    for _ in range(2):
        start = times.mix + found + made.handling_h
        cold_h = max(times.load - start, SHORTEST_COLD_H)
        shares, _ = cold_shares(made, clock, course.bulk, stops, start, cold_h, 0.0, float(likely[0]))
        found = float(np.interp(made.target.aim, np.maximum.accumulate(shares), stops))
    return found


def _warmer(made: Recipe, clock: Clock, mix: float, reading: Reading) -> tuple[Recipe, Clock]:
    """A reading of temperature corrects where the dough began, or else how warm the room is; nothing of the leaven.

    A dough follows its room in straight proportion, so two rooms tell of all.
    """
    if reading.at_h <= JUST_MIXED_H:
        return replace(made, wish=replace(made.wish, dough_c=reading.value)), clock

    def off(more_k: float) -> float:
        trace = run_bulk(made, _shifted(clock, more_k), mix, reading.at_h + 0.5, FINE)
        return float(np.interp(reading.at_h, trace.hours, trace.dough_c)) - reading.value

    at_first = off(0.0)
    per_k = off(1.0) - at_first
    more_k = -at_first / per_k if per_k > LEAST_PER_K else 0.0
    return made, _shifted(clock, float(np.clip(more_k, -MOST_ROOM_K, MOST_ROOM_K)))


def _shifted(clock: Clock, more_k: float) -> Clock:
    room = clock.room
    return replace(clock, room=replace(room, day_c=room.day_c + more_k, night_c=room.night_c + more_k))


def _with_later_times(course: _Bulk, clock: Clock, likely: Floats, following: Following) -> tuple[Times, Dues]:
    """The times with each stage ended when this dough is really there; never before a reading, nor before now.

    What is due, and when it was first due, is told beside it.
    """
    made, times, happened = course.recipe, course.times, following.happened
    now = -np.inf if following.now is None else clock.hours(following.now)
    due_bulk_end, bulk_end = _bulk_end(course, clock, likely, following, now)
    shaped = _done(clock, happened, "shape-1")
    due_shaped = bulk_end + (times.proof_start - times.bulk_end if _divided(made, clock, happened) else made.handling_h)
    if shaped is None and _divided(made, clock, happened) is not None:
        due_shaped = times.bulk_end + made.handling_h
    proof_start = max(times.proof_start if shaped is not None else due_shaped, bulk_end + 0.05)
    if shaped is None:
        proof_start = max(proof_start, now)
    moved = replace(times, bulk_end=bulk_end, proof_start=proof_start)
    cold = made.wish.proof == "cold"
    due_chill = proof_start + times.waits_h if cold else proof_start
    if cold:
        settled = happened.done("chill-1") is not None or happened.cold_from is not None
        chill = times.into_fridge if settled else max(due_chill, now)
        moved = replace(moved, chill=max(chill, proof_start))
    due_load, load = _loading(course, clock, moved, likely, following, now)
    dues = Dues(
        clock.at(times.mix), clock.at(due_bulk_end), clock.at(due_shaped), clock.at(due_chill), clock.at(due_load)
    )
    return replace(moved, load=load), dues


def _bulk_end(course: _Bulk, clock: Clock, likely: Floats, following: Following, now: float) -> tuple[float, float]:
    """When bulk is due to end, and when it ended or will, hours from the clock's origin."""
    made, times, happened = course.recipe, course.times, following.happened
    if _divided(made, clock, happened) is not None:
        return times.bulk_end, times.bulk_end
    if made.wish.proof == "cold" and happened.cold_from is None:
        stop = _stop_for_oven(course, clock, likely, following.bulk_rise)
    else:
        stop = first_crossing(course.bulk.hours, course.bulk.rise[:, 0], following.bulk_rise)
        stop = course.bulk.hours[-1] if np.isnan(stop) else stop
    read_h = [each.at_h for each in believed(_in_bulk(made, clock, following, times)) if each.kind in RISES]
    due = times.mix + max(stop, *read_h, 0.0)
    until = happened.until("divide-1" if made.rest_min else "shape-1")
    due = due if until is None else max(due, clock.hours(until))
    return due, max(due, now)


def _loading(
    course: _Bulk, clock: Clock, times: Times, likely: Floats, following: Following, now: float
) -> tuple[float, float]:
    """When the loaves are due in the oven, and when they went in or will."""
    made, happened = course.recipe, following.happened
    done = _done(clock, happened, "load-1")
    if done is not None:
        at = max(done, times.proof_start + 0.1)
        return at, at
    if made.wish.proof == "cold":
        due = max(times.load, times.into_fridge + SHORTEST_COLD_H)
    elif happened.load_at is not None:
        due = max(times.load, times.proof_start + 0.1)
    else:
        due = times.proof_start + _proofed_h(course, clock, times, likely)
    until = happened.until("load-1")
    due = due if until is None else max(due, clock.hours(until))
    if following.now is None:
        return due, due
    return due, max(due, now, _oven_hot(course, clock, happened, now))


def _proofed_h(course: _Bulk, clock: Clock, times: Times, likely: Floats) -> float:
    """Hours of proof in the room until the likely dough has reached its target."""
    made = course.recipe
    proof = carry(made, clock, replace(times, load=max(times.load, times.proof_start + 2)), (), likely).proof
    shares = share_of_greatest(proof.rise[:, 0], made.holds_shaped)
    aim, longest = made.target.aim, LONGEST_AFTER_H
    if times.reshape is not None:
        begun = times.reshape - times.proof_start
        shares = np.where(proof.hours > begun + 0.01, shares, 0.0)
        aim, longest = SHORT_AGAIN * aim, begun + LONGEST_AGAIN_H
    ready = first_crossing(proof.hours, shares, aim)
    return float(min(proof.hours[-1] if np.isnan(ready) else ready, longest))


def _oven_hot(course: _Bulk, clock: Clock, happened: Happened, now: float) -> float:
    """Before when nothing can be loaded, as the oven is not hot yet."""
    bake = course.recipe.bake
    if bake.cold_start or happened.skipped("preheat-1"):
        return -np.inf
    begun = _done(clock, happened, "preheat-1")
    return (now if begun is None else begun) + bake.preheat_min / 60
