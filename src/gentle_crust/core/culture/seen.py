"""What was read on a culture's jar, held against its forecast: it moves the course, and how far along it is."""

from dataclasses import dataclass

import numpy as np

from gentle_crust.core.fermentation.engine import Trace
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.readings import HARD_TO_BELIEVE_RISE, Reading

PHASES = ("rising", "ripe", "past", "hungry")
LEAST_PRIOR = 0.06
"""A forecast may be quite wrong: what is seen of a culture outweighs it (practice)."""
BELIEVED_FOR_H = 4.0
"""A height that was read tells of the hours around it: the forecast's course is moved to it, ever less (practice)."""


@dataclass(frozen=True)
class Phases:
    """How likely it is still rising, ripe, past its peak, or hungry; they sum to 1."""

    rising: float
    ripe: float
    past: float
    hungry: float


def as_seen(trace: Trace, readings: tuple[Reading, ...]) -> Floats:
    """The rise of each column, moved to what was last read: at once there, less and less before and after it.

    Hours of readings count from the trace's beginning, and so does the feed: nothing has risen then.
    """
    if not readings:
        return trace.rise
    last = readings[-1]
    foretold = np.array([np.interp(last.at_h, trace.hours, column) for column in trace.rise.T])
    near = np.exp(-np.abs(trace.hours - last.at_h) / BELIEVED_FOR_H)[:, None]
    moved: Floats = np.where(
        trace.hours[:, None] > 0, np.maximum(trace.rise + near * (last.value - foretold), 0.0), 0.0
    )
    return moved


def held_against(foretold: Phases, risen: Floats, readings: tuple[Reading, ...], rise: float) -> Phases:
    """Phases by how high it stands beside what it reaches and has reached, weighed with what was foretold.

    ``risen`` as :func:`as_seen` gives it, ``rise`` the last that was read.
    """
    if rise < max(each.value for each in readings) - HARD_TO_BELIEVE_RISE:
        seen = Phases(0.02, 0.08, 0.65, 0.25)
    else:
        near = rise / max(float(risen[:, risen.shape[1] // 2].max()), 1e-6)
        ripe = float(np.interp(near, [0.55, 0.72, 0.85], [0.1, 0.5, 0.8]))
        seen = Phases(max(1 - ripe - 0.1, 0.02), ripe, 0.08, 0.02)
    parts = [getattr(seen, each) * max(getattr(foretold, each), LEAST_PRIOR) for each in PHASES]
    return Phases(*(part / sum(parts) for part in parts))
