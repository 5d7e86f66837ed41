"""When a course, of one activity or of many side by side, comes to a height."""

import numpy as np

from gentle_crust.core.fermentation.rates import Floats


def crossings(hours: Floats, values: Floats, target: float) -> Floats:
    """First time at which each column of ``values`` reaches ``target``, by straight line; nan where never.

    Parameters
    ----------
    hours : hours, 0-240
    values : values by time (rows) and activity (columns)
    target : what is aimed at, as the state of the stage is measured

    Returns
    -------
    Hours, one a column.
    """
    reached = values >= target
    after = reached.argmax(axis=0)
    columns = np.arange(values.shape[1])
    before = np.maximum(after - 1, 0)
    low, high = values[before, columns], values[after, columns]
    part = np.where(after > 0, (target - low) / np.where(high > low, high - low, 1.0), 0.0)
    found: Floats = np.where(reached.any(axis=0), hours[before] + part * (hours[after] - hours[before]), np.nan)
    return found


def first_crossing(hours: Floats, values: Floats, target: float) -> float:
    """The same of one course.

    Parameters
    ----------
    hours : hours, 0-240
    values : one value a time
    target : what is aimed at, as the state of the stage is measured

    Returns
    -------
    Hours, or nan.
    """
    return float(crossings(hours, values[:, None], target)[0])
