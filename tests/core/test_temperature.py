"""Dough temperature in bowls, baskets, tins and fridges."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation import rates
from gentle_crust.core.fermentation.temperature import NODES, cool, heat_loss_w_per_m2_k, mixed, node_shares
from gentle_crust.text.render import say


def mean(nodes):
    return float(nodes @ node_shares())


def after(hours, mass_g, container, ambient_c, start_c=26.0):
    return cool(np.full(NODES, start_c), mass_g, container, np.full(int(hours * 8), float(ambient_c)), 1 / 8)


def test_a_kilo_in_a_bowl_has_a_time_constant_of_two_to_three_hours():
    path = [mean(nodes) for nodes in after(8, 1000, "covered_bowl", 16, 26)]
    assert 2 <= np.argmax(np.array(path) < 16 + 10 / np.e) / 8 <= 3.2


@pytest.mark.parametrize(
    ("slow", "quick"),
    [
        ("insulated", "banneton"),
        ("banneton", "box"),
        ("box", "covered_bowl"),
        ("covered_bowl", "tin"),
        ("tin", "water_bath"),
    ],
)
def test_vessels_in_the_order_in_which_they_let_heat_go(slow, quick):
    assert mean(after(2, 900, slow, 18)[-1]) > mean(after(2, 900, quick, 18)[-1])


def test_bigger_doughs_keep_their_warmth():
    left = [mean(after(3, mass, "covered_bowl", 18)[-1]) for mass in (250, 500, 1000, 2000, 8000)]
    assert left == sorted(left)


def test_the_middle_of_a_chilled_dough_stays_warm_longest():
    nodes = after(2, 900, "banneton", 4)[-1]
    assert list(nodes) == sorted(nodes, reverse=True)
    assert nodes[0] - nodes[-1] > 2


def test_a_fridge_takes_more_than_its_air_alone():
    assert heat_loss_w_per_m2_k("tin", fridge=True) == pytest.approx(1.2 * heat_loss_w_per_m2_k("tin"))


def test_an_unknown_container_is_named():
    with pytest.raises(CraftError) as refused:
        heat_loss_w_per_m2_k("hat")
    assert "covered_bowl" in say(refused.value.what).remedy


@settings(max_examples=60, deadline=None)
@given(
    mass=st.floats(60, 20_000),
    start=st.floats(0, 45),
    ambient=st.floats(-5, 45),
    container=st.sampled_from(["covered_bowl", "box", "banneton", "tin", "tray", "insulated", "water_bath"]),
)
def test_dough_stays_between_where_it_was_and_what_is_around_it(mass, start, ambient, container):
    path = cool(np.full(NODES, start), mass, container, np.full(24, ambient), 0.25)
    low, high = min(start, ambient), max(start, ambient)
    assert path.min() >= low - 1e-6 and path.max() <= high + 1e-6
    means = path @ node_shares()
    assert np.all(np.diff(means) * np.sign(ambient - start) >= -1e-9)


def test_step_length_does_not_change_the_course():
    coarse = cool(np.full(NODES, 26.0), 900, "banneton", np.full(8, 4.0), 1.0)[-1]
    fine = cool(np.full(NODES, 26.0), 900, "banneton", np.full(480, 4.0), 1 / 60)[-1]
    assert coarse == pytest.approx(fine, abs=1e-6)


def test_folding_evens_the_dough_out():
    cold_edge = np.linspace(26, 18, NODES)
    folded = mixed(cold_edge, 0.3)
    assert np.ptp(folded) == 0 and folded[0] == pytest.approx(mean(cold_edge) - 0.3)
    assert node_shares().sum() == pytest.approx(1)


@pytest.mark.parametrize(("c", "growth"), [(18, 0.163), (24, 0.365), (27, 0.428), (32, 0.202)])
def test_growth_passes_through_its_table(c, growth):
    assert float(rates.levain_yeast_growth_per_h(np.array(float(c)))) == pytest.approx(growth, rel=0.005)


def test_levain_makes_gas_where_it_hardly_grows_any_more():
    cold, warm, hot = np.array([4.0, 12.0]), np.array([24.0, 26.0]), np.array([30.0, 34.0, 36.0])
    gas, growth = rates.levain_gas_per_h, rates.levain_yeast_growth_per_h
    assert np.all(gas(cold) > growth(cold)) and np.all(gas(hot) > 1.3 * growth(hot))
    assert gas(warm) == pytest.approx(growth(warm), rel=0.01)
    assert gas(np.array([46.0]))[0] < 0.05 * gas(warm).max(), "heat stops it in the end"


def test_a_stick_is_cold_in_its_middle_long_before_a_ball():
    """A 250 g stick on its tray in 2 to 3.5 h, a 900 g ball in 6 to 9 h; both in still air of 4 C."""

    def cold_after(mass_g, shape):
        nodes = cool(np.full(NODES, 24.0), mass_g, "tray", np.full(1440, 4.0), 1 / 120, shape=shape)
        return int(np.argmax(nodes[:, 0] < 5)) / 120

    assert 2 <= cold_after(250, "stick") <= 3.5
    assert 6 <= cold_after(900, "ball") <= 9
    assert cold_after(250, "stick") < cold_after(250, "ball")


def test_bacteria_like_it_warmer_than_yeast_and_heat_kills_both():
    grid = np.linspace(0, 45, 400)
    assert (
        grid[rates.levain_bacteria_growth_per_h(grid).argmax()]
        > grid[rates.levain_yeast_growth_per_h(grid).argmax()] + 3
    )
    assert float(rates.bakers_yeast_gassing(np.array(56.0))) < 0.001
    assert grid[rates.bakers_yeast_gassing(grid).argmax()] == pytest.approx(35, abs=1)


def test_cold_water_holds_more_gas():
    held = rates.dissolved_gas_ml_per_g_water(np.array([4.0, 10.0, 25.0, 40.0]))
    assert list(held) == sorted(held, reverse=True) and held[2] == pytest.approx(0.75)
