"""A smooth line through points that never overshoots them (Fritsch and Butland 1984, unverified)."""

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]


def monotone_cubic(x: Floats, y: Floats, at: Floats) -> Floats:
    """Values ``at`` places of the monotone piecewise cubic through points (``x`` growing, at least three).

    Between two points it rises or falls as they do; beyond the first and the last it goes on with their cubics.

    Parameters
    ----------
    x : places, growing, at least three
    y : values at those places
    at : places asked about

    Returns
    -------
    Values at those places; nowhere beyond their neighbours (Fritsch and Carlson 1980, unverified).
    """
    steps, slopes = np.diff(x), np.diff(y) / np.diff(x)
    tangents = np.zeros_like(y)
    before, after = slopes[:-1], slopes[1:]
    same_way = before * after > 0
    weight_before, weight_after = 2 * steps[1:] + steps[:-1], steps[1:] + 2 * steps[:-1]
    with np.errstate(divide="ignore", invalid="ignore"):
        mean = (weight_before + weight_after) / (weight_before / before + weight_after / after)
    tangents[1:-1] = np.where(same_way, mean, 0.0)
    tangents[0] = _at_the_end(steps[0], steps[1], slopes[0], slopes[1])
    tangents[-1] = _at_the_end(steps[-1], steps[-2], slopes[-1], slopes[-2])
    part = np.clip(np.searchsorted(x, at, side="right") - 1, 0, len(x) - 2)
    h, t = steps[part], (at - x[part]) / steps[part]
    found: Floats = (
        (1 + 2 * t) * (1 - t) ** 2 * y[part]
        + t * (1 - t) ** 2 * h * tangents[part]
        + t**2 * (3 - 2 * t) * y[part + 1]
        + t**2 * (t - 1) * h * tangents[part + 1]
    )
    return found


def _at_the_end(step: float, next_step: float, slope: float, next_slope: float) -> float:
    """The tangent at an end, from three points, kept so that the line stays monotone."""
    tangent = ((2 * step + next_step) * slope - step * next_slope) / (step + next_step)
    if tangent * slope <= 0:
        return 0.0
    if slope * next_slope <= 0 and abs(tangent) > 3 * abs(slope):
        return float(3 * slope)
    return float(tangent)
