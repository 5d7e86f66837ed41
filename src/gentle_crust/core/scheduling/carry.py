"""A dough carried through given times: bulk, shaping and proof, for every activity side by side."""

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.fermentation.engine import State, Trace, crossings, handled, joined
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.targets import share_of_greatest
from gentle_crust.core.fermentation.uncertainty import span
from gentle_crust.core.leaven.ripening import Ripening
from gentle_crust.core.scheduling.course import Recipe, run_bulk, run_proof, shape
from gentle_crust.core.scheduling.solve import Times, rise_at_bulk_end
from gentle_crust.core.scheduling.whole import Course

SHORTEST_H = 0.1


def _proof(made: Recipe, clock: Clock, times: Times, hours: float, state: State, factors: Floats) -> Trace:
    """The proof, in two parts if the dough was shaped again on the way."""
    again = times.reshape
    if again is None or not times.proof_start < again < times.proof_start + hours - SHORTEST_H:
        return run_proof(made, clock, times.proof_start, hours, state, factors, times.waits_h)
    first = run_proof(
        made, clock, times.proof_start, max(again - times.proof_start, SHORTEST_H), state, factors, times.waits_h
    )
    folded = handled(made.makeup, first.end(), "knock_back")
    left = hours - float(first.hours[-1])
    waits = max(times.into_fridge - again, 0.0)
    return joined(first, run_proof(made, clock, again, left, folded, factors, waits))


def carry(
    made: Recipe,
    clock: Clock,
    times: Times,
    ripenings: tuple[Ripening, ...],
    factors: Floats,
) -> Course:
    """The course of a dough that goes by ``times``, for each of the activity ``factors``."""
    bulk = run_bulk(made, clock, times.mix, (times.bulk_end - times.mix) * 1.6 + 1.5, factors)
    stopped = bulk.at(times.bulk_end - times.mix)
    shaped = shape(made, clock, times.bulk_end, stopped, factors, times.proof_start - times.bulk_end)
    proof_h = times.load - times.proof_start
    beyond = max(made.bake.all_loads_min / 60, 1.0 if made.wish.proof == "cold" else 1.5 * proof_h + 2)
    proof = _proof(made, clock, times, proof_h + beyond, shaped.state, factors)
    middle = len(factors) // 2
    rise = rise_at_bulk_end(made, stopped)
    bulk_hours = crossings(bulk.hours, bulk.rise, rise)
    shares = share_of_greatest(proof.rise, made.holds_shaped)
    aim = float(np.interp(times.load - times.proof_start, proof.hours, shares[:, middle]))
    proof_hours = crossings(proof.hours, shares, aim)
    return Course(
        made, times, ripenings, bulk, shaped, proof, span(times.mix + bulk_hours), span(times.proof_start + proof_hours)
    )
