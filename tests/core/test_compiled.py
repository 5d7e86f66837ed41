"""What is compiled reckons as the plain function does; the smooth line through rates is the well-known one."""

import numpy as np
import pytest
from scipy.interpolate import PchipInterpolator

from gentle_crust.core import compiled
from gentle_crust.core.fermentation import engine, rates, stepping
from gentle_crust.core.fermentation.monotone import monotone_cubic
from gentle_crust.core.fermentation.temperature import node_shares
from gentle_crust.core.oven.warm import warm

DICE = np.random.default_rng(5)
WEAR = stepping.Wear(0.07, 0.003, 0.006, 0.08)


def plain(name):
    """The function before it was compiled."""
    return next(each.function for each in compiled._KNOWN if each.function.__name__ == name)


def made(name):
    warm()
    return next(each.done for each in compiled._KNOWN if each.function.__name__ == name)


@pytest.mark.parametrize("columns", [1, 4])
def test_gas_is_kept_alike_for_one_dough_and_for_many(columns):
    times = 41
    made_ml = np.cumsum(DICE.uniform(2, 14, (times, columns)), axis=0)
    bacteria, expand = DICE.uniform(0, 1, (times, columns)), DICE.uniform(0.006, 0.007, times)
    folds = DICE.random(times) < 0.1
    given = (
        np.full(columns, 40.0), np.ones(columns), made_ml, bacteria, np.full(times, 50.0), expand, np.ones(times), 0.25,
        folds, engine._life(), WEAR, 1.6, 0.08,
    )  # fmt: skip
    found, wanted = made("gas_kept")(*given), plain("gas_kept")(*given)
    for one, other in zip(found, wanted, strict=True):
        assert np.allclose(one, other, rtol=1e-9)
    kept, sound = found
    assert (np.diff(sound[~folds[:]], axis=0)[:3] < 0).all(), "gluten tires"
    assert (kept[-1] < made_ml[-1]).all(), "a full dough does not keep all that it makes"


def test_warmth_follows_the_air_alike_and_a_fold_evens_it():
    to_nodes, share = DICE.uniform(0, 1, (8, 8)), np.full(8, 1 / 8)
    to_modes = np.linalg.inv(to_nodes)
    rate, air = DICE.uniform(-2, -0.1, 8), DICE.uniform(4, 25, 12)
    folds = np.zeros(13, dtype=bool)
    folds[5] = True
    given = (DICE.uniform(20, 26, 8), air, rate, 0.25, folds, to_modes, to_nodes, share, 0.3)
    found, wanted = made("follow_air")(*given), plain("follow_air")(*given)
    assert np.allclose(found, wanted, rtol=1e-9)
    assert np.ptp(found[4]) > 1e-3 and np.ptp(found[5]) < 1e-9


def a_leg(begun, hours=6.0, columns=2):
    """What a leg of a dough's life is reckoned from, at a warmth that falls from 26 to 22 C."""
    times = 25
    nodes = np.linspace(26, 22, times)[:, None] + np.linspace(0.5, -0.5, 8)
    folds = np.zeros(times, dtype=bool)
    folds[6] = True
    activity = np.linspace(0.8, 1.2, columns)
    dough = stepping.Kept(70.0, 140.0, 1.6, 0.95, 1.1, 0.7, 1.2, 0.9)
    tables = engine._tables()
    given = (nodes, node_shares(), hours / (times - 1), folds, begun, activity, dough)
    return (*given, rates.tabled(), engine._life(), WEAR, tables)


@pytest.mark.parametrize("leaven", ["levain", "yeast", "both", "none"])
def test_a_leg_is_lived_alike(leaven):
    levain = 0.2 if leaven in ("levain", "both") else stepping.ABSENT
    yeast = 0.5 if leaven in ("yeast", "both") else stepping.ABSENT
    ones = np.ones(2)
    begun = stepping.Begun(0.5, ones * levain, ones * levain, ones * yeast, ones * 10.0, ones * 60.0, ones * 0.9)
    found, wanted = made("lived")(*a_leg(begun)), plain("lived")(*a_leg(begun))
    assert np.allclose(found, wanted, rtol=1e-9)
    risen = found[stepping.RISE, -1]
    assert (risen > 0.2).all() if leaven != "none" else np.allclose(found[stepping.MADE], 10.0)
    assert (np.diff(found[stepping.MADE], axis=0) >= -1e-9).all()


def test_a_shell_mean_is_the_table_read_at_each_shell():
    nodes = DICE.uniform(-3, 65, (9, 8))
    found = made("shell_mean")(nodes, node_shares(), rates.tabled().levain_gas, rates.PER_K)
    assert np.allclose(found, rates.levain_gas_per_h(nodes) @ node_shares(), rtol=1e-9)


def test_a_full_dough_takes_no_more_and_leaks():
    assert stepping.filled(1.0, 0.5, 0.0, 0.08) == pytest.approx(1.0)
    assert stepping.filled(0.9, 0.0, 0.1, 0.08) < 0.9
    assert stepping.filled(-1.0, 0.5, 0.1, 0.08) == pytest.approx(-0.5)
    assert stepping.filled(0.2, 2.0, 0.0, 0.08) == pytest.approx(stepping.filled(0.2, 2.0, 0.0, 0.01), rel=0.01)


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
