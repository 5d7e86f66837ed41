"""The engine against the same equations handed to a general solver with fine steps."""

import numpy as np
import pytest
from scipy.integrate import solve_ivp

from gentle_crust.core.fermentation import rates
from gentle_crust.core.fermentation.crossing import crossings
from gentle_crust.core.fermentation.dough import Dough, FlourPart, makeup
from gentle_crust.core.fermentation.engine import Leg, begin, food, handled, rise_of, run
from gentle_crust.core.fermentation.gluten import wear_of
from gentle_crust.core.fermentation.uncertainty import Vigour, activities, span, unknown
from gentle_crust.core.tables import constant

LEVAIN_GAS = constant("fermentation", "levain", "gas_ml_per_100g_flour")
YEAST_GAS = constant("fermentation", "bakers_yeast", "gas_ml_per_g_per_h")
CROWDED = constant("fermentation", "bakers_yeast", "crowded_g")
YEAST_GROWTH = constant("fermentation", "bakers_yeast", "growth_per_h")


def white(g=1000.0):
    return (FlourPart("strong_white", g),)


def mixed(g_white, g_whole, g_rye=0.0):
    return (FlourPart("strong_white", g_white), FlourPart("whole_wheat", g_whole), FlourPart("rye", g_rye))


def reference(made, c, hours, most):
    """Rise over time at one steady temperature, straight from the differential equations."""
    at = np.array([float(c)])
    growth, souring = (
        float(rate(at)[0]) for rate in (rates.levain_yeast_growth_per_h, rates.levain_bacteria_growth_per_h)
    )
    gas, baker = float(rates.levain_gas_per_h(at)[0]), float(rates.bakers_yeast_gassing(at)[0])
    dissolved = float(rates.dissolved_gas_ml_per_g_water(at)[0]) * 100 * made.hydration
    wear, warmth = wear_of(made), np.exp(0.08 * (c - 24))
    swell = (c + 273.15) / 298.15 / made.gas_free_ml
    start = begin(made, c)

    def change(t, y):
        yeast, bacteria, bakers, made_ml, kept, sound = y
        lag = 1.0 if t >= constant("fermentation", "bakers_yeast", "growth_lag_h") else 0.0
        awake = 1 - np.exp(-t / constant("fermentation", "bakers_yeast", "waking_h"))
        working = bakers / (1 + bakers / CROWDED)
        work = made.pace * (LEVAIN_GAS * gas * yeast + YEAST_GAS * baker * working * awake)
        produced = work * float(food(np.array(made_ml)))
        free = max(kept - dissolved, 0.0)
        fullness = free * swell / (most * sound)
        full = min(fullness**4, 1.0)
        sinks = 2.0 * max(fullness - 1, 0) / fullness * free if fullness > 1 else 0.0
        tired = wear.overfull * min(fullness, 1.0) ** 8 + warmth * (wear.aged + wear.acid * bacteria)
        return [
            growth * made.pace * yeast * (1 - yeast),
            souring * made.souring * bacteria * (1 - bacteria / 1.3),
            YEAST_GROWTH * made.pace * baker * lag * bakers * (1 - bakers / 2.5),
            produced,
            produced * (1 - full) - 0.06 * free * full - sinks,
            -tired * sound,
        ]

    begun = [
        float(value[0])
        for value in (start.yeast, start.bacteria, start.bakers_yeast_g, start.made_ml, start.kept_ml, start.sound)
    ]
    solved = solve_ivp(change, (0, hours), begun, rtol=1e-8, atol=1e-9, max_step=0.02, dense_output=True)
    return lambda t: np.maximum(solved.sol(t)[4] - dissolved, 0) * swell


@pytest.mark.parametrize(
    ("dough", "c"),
    [
        (Dough(white(), 725, 20, levain_g=200), 18),
        (Dough(white(), 725, 20, levain_g=200), 24),
        (Dough(white(), 725, 20, levain_g=200), 28),
        (Dough(white(), 740, 20, levain_g=80), 22),
        (Dough(mixed(600, 300, 100), 760, 20, levain_g=220), 25),
        (Dough(white(), 650, 20, instant_yeast_g=10), 25.5),
        (Dough(white(), 700, 20, instant_yeast_g=3), 22),
        (Dough(white(), 770, 18, instant_yeast_g=0.8), 20),
        (Dough(white(), 680, 20, instant_yeast_g=1.5, levain_g=120), 24),
        (Dough(white(), 620, 15, sugar_g=80, instant_yeast_g=8), 26),
    ],
)
def test_production_path_is_within_two_percent_of_a_fine_solver(dough, c):
    made = makeup(dough)
    hours, most = 16.0, 2.2
    trace = run(made, begin(made, c, 3), Leg(hours, np.full(64, float(c)), "covered_bowl", 1500, most), np.ones(3))
    exact = reference(made, c, hours, most)
    fine = np.linspace(0, hours, 4000)
    rises = exact(fine)
    for target in (0.3, 0.6, 1.0, 1.5):
        if rises.max() > target * 1.02:
            want = fine[np.argmax(rises >= target)]
            got = crossings(trace.hours, trace.rise, target)[0]
            assert got == pytest.approx(want, rel=0.02), target
    assert trace.rise[:, 0].max() == pytest.approx(rises.max(), rel=0.02)


def test_gas_made_never_exceeds_what_the_flour_can_feed():
    made = makeup(Dough(white(), 700, 20, instant_yeast_g=20))
    trace = run(made, begin(made, 30), Leg(60, np.full(240, 30.0), "box", 1000, 2.4), np.ones(1))
    assert trace.made_ml[-1, 0] < 1000
    assert trace.gas_rate[-1, 0] < 0.05 * trace.gas_rate.max()


def test_a_dough_left_too_long_sinks():
    made = makeup(Dough(white(), 725, 20, levain_g=200))
    rise = run(made, begin(made, 26), Leg(40, np.full(160, 26.0), "box", 1000, 2.0), np.ones(1)).rise[:, 0]
    assert rise[-1] < 0.97 * rise.max() and 4 < rise.argmax() / 4 < 24


def test_chilled_dough_shrinks_before_it_rises_again():
    """Gas dissolves in cold water: without any leaven a dough only shrinks in the fridge."""
    made = makeup(Dough(white(), 725, 20, levain_g=200))
    state = run(made, begin(made, 26), Leg(6, np.full(24, 26.0), "box", 900, 2.4), np.ones(1)).end()
    dead = run(made, state, Leg(10, np.full(40, 4.0), "banneton", 900, 1.4), np.array([1e-6]))
    alive = run(made, state, Leg(10, np.full(40, 4.0), "banneton", 900, 1.4), np.ones(1))
    assert dead.rise[-1, 0] < rise_of(made, state)[0] - 0.1
    assert alive.rise[-1, 0] > dead.rise[-1, 0]


@pytest.mark.parametrize(
    ("handling", "kept"),
    [("fold", 0.95), ("divide", 0.90), ("gentle_shape", 0.80), ("tight_tin_shape", 0.50), ("knock_back", 0.35)],
)
def test_handling_presses_out_its_share_of_free_gas(handling, kept):
    made = makeup(Dough(white(), 725, 20, levain_g=200))
    state = run(made, begin(made, 25), Leg(7, np.full(28, 25.0), "box", 900, 2.4), np.ones(1)).end()
    after = handled(made, state, handling)
    assert rise_of(made, after)[0] == pytest.approx(kept * rise_of(made, state)[0], rel=1e-6)
    assert np.ptp(after.nodes_c) == 0


def test_folds_cost_a_little_gas_and_warmth():
    made = makeup(Dough(white(), 725, 20, levain_g=200))
    plain, folded = (
        run(made, begin(made, 27), Leg(6, np.full(24, 22.0), "covered_bowl", 1800, 2.4, folds), np.ones(1))
        for folds in ((), (3.0, 3.5, 4.0, 4.5))
    )
    assert folded.dough_c[-1] < plain.dough_c[-1] - 0.3
    assert 0.75 * plain.rise[-1, 0] < folded.rise[-1, 0] < plain.rise[-1, 0]


def test_activity_only_moves_the_clock():
    """At a steady temperature a leaven twice as active is where the other will be in twice the time."""
    made = makeup(Dough(white(), 725, 20, levain_g=200))
    leg = Leg(12, np.full(96, 24.0), "box", 900, 50.0)
    trace = run(made, begin(made, 24, 2), leg, np.array([1.0, 2.0]))
    assert trace.rise[96, 0] == pytest.approx(trace.rise[48, 1], rel=0.03)


def test_legs_in_pieces_are_the_whole():
    made = makeup(Dough(white(), 725, 20, levain_g=200))
    whole = run(made, begin(made, 25), Leg(8, np.full(32, 22.0), "box", 1200, 2.4), np.ones(3)[:1])
    state = begin(made, 25)
    for _ in range(4):
        state = run(made, state, Leg(2, np.full(8, 22.0), "box", 1200, 2.4), np.ones(1)).end()
    assert rise_of(made, state)[0] == pytest.approx(whole.rise[-1, 0], abs=0.01)
    assert state.age_h == pytest.approx(8)


def test_sourness_index_falls_with_time_and_warmth():
    made = makeup(Dough(white(), 725, 20, levain_g=200))
    cool, warm = (
        run(made, begin(made, c), Leg(8, np.full(32, c), "box", 900, 2.4), np.ones(1)).ph[:, 0] for c in (18.0, 28.0)
    )
    assert np.all(np.diff(warm) < 0) and warm[-1] < cool[-1] < warm[0]
    assert 3.5 < warm[-1] < 5


def test_activities_are_equally_likely_around_one():
    factors = activities()
    assert factors[len(factors) // 2] == pytest.approx(1)
    assert np.all(np.diff(factors) > 0)
    assert np.std(np.log(factors)) == pytest.approx(unknown().sigma, abs=0.02)
    assert np.ptp(activities(Vigour(1.0, 0.1))) < np.ptp(factors)


def test_span_counts_never_as_later_than_anything():
    found = span(np.array([3.0, np.nan, 2.0, np.nan, 1.0]))
    assert (found.low, found.likely, found.high) == (1.0, 3.0, None)


def test_crossings_find_the_first_time_between_samples():
    hours = np.array([0.0, 1.0, 2.0, 3.0])
    values = np.array([[0.0, 5.0], [2.0, 5.0], [1.0, 5.0], [4.0, 5.0]])
    assert crossings(hours, values, 1.0) == pytest.approx([0.5, 0.0])
    assert np.isnan(crossings(hours, values, 9.0)).all()
