"""How sour a dough becomes: an index from what its bacteria have lived through."""

import numpy as np

from gentle_crust.core.fermentation.rates import Floats, levain_bacteria_growth_per_h
from gentle_crust.core.tables import constant


def _of(name: str) -> float:
    return constant("fermentation", "acid", name)


def made(hours: Floats, dough_c: Floats, bacteria: Floats, souring: float) -> Floats:
    """Acid that bacteria have made by each time, what a ripe levain brings being 1.

    Parameters
    ----------
    hours, dough_c, bacteria : times [h], warmth [C], lactic bacteria (those of a ripe levain are 1), of equal length.
    souring : their pace by salt, grain and water, 1 being usual.

    Returns
    -------
    Acid by time: it grows with the bacteria and their pace at that warmth, and goes on when they no longer grow.
    """
    rate = levain_bacteria_growth_per_h(dough_c) * souring * bacteria * _of("acid_per_growth")
    steps = (rate[1:] + rate[:-1]) / 2 * np.diff(hours)
    result: Floats = float(bacteria[0]) + np.concatenate([[0.0], np.cumsum(steps)])
    return result


def sourness(
    hours: Floats, dough_c: Floats, bacteria: Floats, hydration: float, souring: float, buffer: float
) -> float:
    """How sour a dough tastes at the end of its path; an index, not a measurement.

    Parameters
    ----------
    hours, dough_c, bacteria, souring : as in :func:`made`.
    hydration : water over flour, a fraction; a stiff dough makes more acetic acid.
    buffer : acid that the flour takes up beside white flour, 1-1.5: as much more is made before bacteria stop.

    Returns
    -------
    0-1: a / (a + half), with a the acid made, each part as sharp as the warmth it was made in: in the cold and in
    stiff doughs more of it is acetic, which tastes sharper (practice).
    """
    sharp = np.interp(dough_c, [4.0, 12.0, 24.0, 30.0], [_of("cold_is_sharper"), 1.6, 1.0, 0.8])
    sharp = sharp * (1 + _of("stiff_is_sharper") * max(0.75 - hydration, 0.0))
    acid = made(hours, dough_c, bacteria, souring)
    taste = (float(acid[0]) + float(np.sum(np.diff(acid) * (sharp[1:] + sharp[:-1]) / 2))) * buffer
    return taste / (taste + _of("half_sour"))
