"""What is compiled reckons as the plain function does; the smooth line through rates is the well-known one."""

import numpy as np
import pytest
from scipy.interpolate import PchipInterpolator

from gentle_crust.core import compiled
from gentle_crust.core.fermentation import stepping
from gentle_crust.core.fermentation.monotone import monotone_cubic
from gentle_crust.core.oven.warm import warm

DICE = np.random.default_rng(5)
FULLNESS = np.concatenate([[-9.0], np.linspace(0, 0.98, 50)])
GAS = np.where(FULLNESS < 0, FULLNESS, (np.arctanh(np.maximum(FULLNESS, 0)) + np.arctan(np.maximum(FULLNESS, 0))) / 2)


def plain(name):
    """The function before it was compiled."""
    return next(each.function for each in compiled._KNOWN if each.function.__name__ == name)


def made(name):
    warm()
    return next(each.done for each in compiled._KNOWN if each.function.__name__ == name)


def test_gas_is_kept_alike_for_one_dough_and_for_many():
    for columns in (1, 4):
        gains = DICE.uniform(0, 0.05, (40, columns))
        parts, helds = DICE.uniform(0.005, 0.01, 40), DICE.uniform(5, 9, 40)
        folds = DICE.random(41) < 0.1
        start = DICE.uniform(10, 30, (41, columns))
        found, wanted = start.copy(), start.copy()
        made("keep_gas")(found, 3, gains, parts, helds, folds, 0.8, 0.01, FULLNESS, GAS)
        plain("keep_gas")(wanted, 3, gains, parts, helds, folds, 0.8, 0.01, FULLNESS, GAS)
        assert np.allclose(found, wanted, rtol=1e-12) and not np.allclose(found, start)


def test_warmth_follows_the_air_alike_and_a_fold_evens_it():
    to_nodes, share = DICE.uniform(0, 1, (8, 8)), np.full(8, 1 / 8)
    to_modes = np.linalg.inv(to_nodes)
    decay, drive = DICE.uniform(0.5, 1, 8), DICE.uniform(0, 1, (12, 8))
    folds = np.zeros(13, dtype=bool)
    folds[5] = True
    given = (DICE.uniform(0, 1, 8), decay, drive, folds, to_modes, to_nodes, share, 0.3)
    found, wanted = made("follow_air")(*given), plain("follow_air")(*given)
    assert np.allclose(found, wanted, rtol=1e-9)
    nodes = to_nodes @ found[5]
    assert np.allclose(nodes, nodes.mean(), atol=1e-6)


def test_a_full_dough_takes_no_more_and_leaks():
    assert stepping.filled_one(1.0, 0.5, 0.0) == pytest.approx(1.0)
    assert stepping.filled_one(0.9, 0.0, 0.1) < 0.9
    assert stepping.filled_one(-1.0, 0.5, 0.1) == pytest.approx(-0.5)


@pytest.mark.parametrize("seed", range(6))
def test_the_smooth_line_is_the_well_known_one(seed):
    dice = np.random.default_rng(seed)
    x = np.cumsum(dice.uniform(0.5, 4, 9))
    y = dice.normal(0, 2, 9)
    at = np.linspace(x[0], x[-1], 400)
    assert np.allclose(monotone_cubic(x, y, at), PchipInterpolator(x, y)(at), atol=1e-12)


def test_the_smooth_line_never_overshoots():
    x, y = np.array([0.0, 1, 2, 3, 10]), np.array([0.0, 0, 5, 5, 6])
    found = monotone_cubic(x, y, np.linspace(0, 10, 500))
    assert found.min() >= 0 and found.max() <= 6 and (np.diff(found) >= -1e-12).all()
