"""A dough carried through given times: bulk, shaping and proof, for every activity side by side."""

import numpy as np

from gentle_crust.core.fermentation.engine import crossings
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.targets import share_of_greatest
from gentle_crust.core.fermentation.uncertainty import span
from gentle_crust.core.scheduling.clock import Clock
from gentle_crust.core.scheduling.course import Recipe, run_bulk, run_proof, shape
from gentle_crust.core.scheduling.leaven import Ripening
from gentle_crust.core.scheduling.solve import Times, rise_at_bulk_end
from gentle_crust.core.scheduling.whole import Course


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
    shaped = shape(made, clock, times.bulk_end, stopped, factors)
    proof_h = times.load - times.proof_start
    beyond = max(made.bake.all_loads_min / 60, 1.0 if made.wish.proof == "cold" else 1.5 * proof_h + 2)
    proof = run_proof(made, clock, times.proof_start, proof_h + beyond, shaped.state, factors, times.waits_h)
    middle = len(factors) // 2
    rise = rise_at_bulk_end(made, stopped)
    bulk_hours = crossings(bulk.hours, bulk.rise, rise)
    shares = share_of_greatest(proof.rise, made.holds_shaped)
    aim = float(np.interp(times.load - times.proof_start, proof.hours, shares[:, middle]))
    proof_hours = crossings(proof.hours, shares, aim)
    return Course(
        made, times, ripenings, bulk, shaped, proof, span(times.mix + bulk_hours), span(times.proof_start + proof_hours)
    )
