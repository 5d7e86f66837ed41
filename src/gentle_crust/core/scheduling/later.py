"""A batch that is split: what is not baked with the rest goes into the fridge shaped, for another day."""

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.fermentation.engine import Leg, Trace, first_crossing, run
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.room import room_leg
from gentle_crust.core.fermentation.targets import proof_target, share_of_greatest
from gentle_crust.core.oven.equipment import vessel_row
from gentle_crust.core.scheduling.problems import NEAR_TARGET
from gentle_crust.core.scheduling.result import LaterPart
from gentle_crust.core.scheduling.whole import Course

LONGEST_WARM_H = 4.0
STEP_H = 0.5


def later_part(course: Course, clock: Clock) -> LaterPart | None:
    """The pieces that are baked some days after the others, at the same hour; None if the batch is not split.

    They chill as soon as they are shaped. If the cold does not bring them to their own target, they warm first.
    """
    made, times = course.recipe, course.times
    wish = made.wish
    if not wish.later_pieces:
        return None
    target = proof_target(vessel_row(wish.vessel.kind)["proof_group"], cold=True)
    load = times.load + 24 * wish.later_days
    warm_h, share = 0.0, _shares(course, _cold(course, clock, load - times.proof_start))[-1]
    if share < target.low:
        warm_h, share = _warmed(course, clock, load, target.aim)
    return LaterPart(
        pieces=wish.later_pieces,
        chill=clock.at(times.proof_start),
        out_of_fridge=clock.at(load - warm_h),
        warm_min=round(60 * warm_h),
        preheat=clock.at(load - made.bake.preheat_min / 60),
        load=clock.at(load),
        out=clock.at(load + made.bake.minutes / 60),
        share=float(share),
        target_low=target.low,
        target_high=target.high,
        sentence=_say(share, target.low, target.high, warm_h),
    )


def _cold(course: Course, clock: Clock, hours: float) -> Trace:
    """The shaped dough through ``hours`` in the fridge."""
    made, state = course.recipe, course.shaped.state
    fridge = np.full(max(int(np.ceil(hours / STEP_H)), 2), clock.room.fridge_c)
    leg = Leg(hours, fridge, made.proof_container, made.piece_g, made.holds_shaped)
    return run(made.makeup, state, leg, np.ones(len(state.yeast)))


def _shares(course: Course, trace: Trace) -> Floats:
    """The likely dough's share of its greatest volume through a trace."""
    return share_of_greatest(trace.rise[:, trace.rise.shape[1] // 2], course.recipe.holds_shaped)


def _warmed(course: Course, clock: Clock, load: float, aim: float) -> tuple[float, float]:
    """Hours in the room before the oven, and the share of its greatest volume that the dough then has."""
    made, factors = course.recipe, np.ones(len(course.shaped.state.yeast))
    hours, share = 0.0, 0.0
    for _ in range(3):
        cold = _cold(course, clock, max(load - hours - course.times.proof_start, STEP_H))
        leg = room_leg(clock, load - hours, LONGEST_WARM_H, made.proof_container, made.piece_g, made.holds_shaped, 0.25)
        room = run(made.makeup, cold.end(), leg, factors)
        shares = _shares(course, room)
        there = first_crossing(room.hours, shares, aim)
        hours = LONGEST_WARM_H if np.isnan(there) else there
        share = float(np.interp(hours, room.hours, shares))
    return hours, share


def _say(share: float, low: float, high: float, warm_h: float) -> str:
    at = f"{100 * share:.0f} % of its greatest volume, wanted {100 * low:.0f} to {100 * high:.0f} %"
    if share > high + NEAR_TARGET:
        return f"Over-proofed by then: {at}. Bake it a day sooner, or stop bulk earlier."
    if share < low - NEAR_TARGET:
        return f"Still under-proofed after {LONGEST_WARM_H:.0f} h in the room: {at}. Bake it later that day."
    if warm_h > 0.2:
        return f"It warms before it is baked, until it has {at}."
    return f"Straight from the fridge: {at}."
