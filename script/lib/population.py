"""A made-up population of doughs that differ from what their bakers say, to see how honest the band is."""

from dataclasses import dataclass, replace

import numpy as np
from cases import levain_dough

from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.dough import makeup
from gentle_crust.core.fermentation.engine import Leg, begin, run
from gentle_crust.core.fermentation.readings import Reading, grid, update
from gentle_crust.core.fermentation.uncertainty import ONE, Vigour, activities, span, unknown
from gentle_crust.core.tables import constant

DOUGH_C, ROOM_C, HOURS, MASS_G, TARGET = 25.0, 23.0, 30.0, 1800.0, 0.55
NOTHING: tuple[float, ...] = ()
READ_AT_H = (3.0, 4.5)


@dataclass(frozen=True)
class Coverage:
    """Share of doughs whose true time fell in the 10-90 band, and the band's mean width, h."""

    inside: float
    width_h: float


def _rises(activity: np.ndarray, dough_c: float, room_c: float, dose: float) -> tuple[np.ndarray, np.ndarray]:
    made = makeup(levain_dough(20))
    made = replace(made, levain_yeast=made.levain_yeast * dose)
    leg = Leg(HOURS, np.full(120, room_c), "covered_bowl", MASS_G, greatest_rise(made, "bulk"))
    trace = run(made, begin(made, dough_c, len(activity)), leg, activity)
    return trace.hours, trace.rise


def _crossing(hours: np.ndarray, rise: np.ndarray) -> float:
    return float(np.interp(TARGET, np.maximum.accumulate(rise), hours))


def coverage(count: int, read_at_h: tuple[float, ...], seed: int = 7) -> Coverage:
    """Forecast ``count`` doughs after readings by eye at ``read_at_h``, and see how many keep to the band.

    Each dough's leaven differs by its sigma; its dough by up to 1 C, room by up to 1.5 C, dose by up to 5 % and
    ripeness by a tenth, of which the forecast is not told; readings err by 8 points.
    """
    chance = np.random.default_rng(seed)
    prior = unknown()
    sigma = constant("fermentation", "uncertainty", "unknown_culture_sigma")
    wide_hours, wide = _rises(grid(prior), DOUGH_C, ROOM_C, 1.0)
    inside, widths = 0, []
    for _ in range(count):
        true = np.exp(chance.normal(0, sigma, 1))
        dose = (1 + chance.uniform(-0.05, 0.05)) * np.exp(chance.normal(0, 0.10))
        hours, rise = _rises(true, DOUGH_C + chance.uniform(-1, 1), ROOM_C + chance.uniform(-1.5, 1.5), dose)
        truth = _crossing(hours, rise[:, 0])
        seen = [at for at in read_at_h if at < truth]
        readings = tuple(
            Reading(at, "rise_eye", max(float(np.interp(at, hours, rise[:, 0])) + chance.normal(0, 0.08), 0.0))
            for at in seen
        )
        vigour = update(readings, lambda at: _at(at, wide_hours, wide), prior) if readings else prior
        told_hours, told = _rises(activities(vigour), DOUGH_C, ROOM_C, 1.0)
        found = span(np.array([_crossing(told_hours, told[:, column]) for column in range(told.shape[1])]))
        low, high = found.low or 0.0, found.high or HOURS
        inside += low <= truth <= high
        widths.append(high - low)
    return Coverage(inside / count, float(np.mean(widths)))


def _at(at_h: float, hours: np.ndarray, rise: np.ndarray) -> np.ndarray:
    return np.array([np.interp(at_h, hours, rise[:, column]) for column in range(rise.shape[1])])


def likely(vigour: Vigour) -> float:
    """Likely hours to the target for a dough as it was said to be."""
    hours, rise = _rises(ONE * vigour.likely, DOUGH_C, ROOM_C, 1.0)
    return _crossing(hours, rise[:, 0])
