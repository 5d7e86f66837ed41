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
"""So long after a height that was read its difference from the forecast fades to a third (practice)."""

OF_ITS_HEIGHT = ("surface", "floated")
"""What is seen of a culture that tells of nothing any more once it has fallen since."""


@dataclass(frozen=True)
class Phases:
    """How likely it is still rising, ripe, past its peak, or hungry; they sum to 1."""

    rising: float
    ripe: float
    past: float
    hungry: float


def fallen_h(readings: tuple[Reading, ...]) -> float | None:
    """When it was first read to stand lower than it had, and never higher again; None while it stands."""
    if not readings:
        return None
    highest = max(readings, key=lambda each: each.value)
    if readings[-1].value >= highest.value - HARD_TO_BELIEVE_RISE:
        return None
    lower = (each.at_h for each in readings if each.at_h > highest.at_h)
    return next(lower)


def outdated(cue: str, seen_h: float, fell_h: float | None) -> bool:
    """Whether what was seen at ``seen_h`` was of a culture that was read to have fallen since, at ``fell_h``."""
    return fell_h is not None and seen_h < fell_h and cue in OF_ITS_HEIGHT


def as_seen(trace: Trace, readings: tuple[Reading, ...], hours: Floats | None = None) -> Floats:
    """The rise of each column at ``hours`` (the trace's own if not given), moved to go through every height read.

    Hours of readings count from the trace's beginning, and so does the feed: nothing has risen then. After the last one
    the course goes back to what was foretold, but for a culture that has fallen: it does not rise again.
    """
    at = trace.hours if hours is None else hours
    foretold = np.array([np.interp(at, trace.hours, column) for column in trace.rise.T]).T
    if not readings:
        return foretold
    knots = np.array([each.at_h for each in readings])
    then = np.array([np.interp(knots, trace.hours, column) for column in trace.rise.T])
    offs = np.array([each.value for each in readings]) - then
    after, fallen = np.maximum(at - knots[-1], 0.0), fallen_h(readings) is not None
    fades = np.ones_like(after) if fallen else np.exp(-after / BELIEVED_FOR_H)
    moves = np.array([np.interp(at, [0.0, *knots], [0.0, *off]) for off in offs]).T
    moved: Floats = np.maximum(foretold + moves * fades[:, None], 0.0)
    return np.where(after[:, None] > 0, np.minimum(moved, readings[-1].value), moved) if fallen else moved


def held_against(foretold: Phases, risen: Floats, readings: tuple[Reading, ...], rise: float) -> Phases:
    """Phases by how high it stands beside what it reaches and has reached, weighed with what was foretold.

    ``risen`` as :func:`as_seen` gives it, ``rise`` the last that was read.
    """
    if fallen_h(readings) is not None:
        seen = Phases(0.005, 0.02, 0.7, 0.275)
    else:
        near = rise / max(float(risen[:, risen.shape[1] // 2].max()), 1e-6)
        ripe = float(np.interp(near, [0.55, 0.72, 0.85], [0.1, 0.5, 0.8]))
        seen = Phases(max(1 - ripe - 0.1, 0.02), ripe, 0.08, 0.02)
    parts = [getattr(seen, each) * max(getattr(foretold, each), LEAST_PRIOR) for each in PHASES]
    return Phases(*(part / sum(parts) for part in parts))
