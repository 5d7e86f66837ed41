"""The engine against what bakers see: each case with the window in which it must fall."""

import subprocess
import sys
from dataclasses import replace
from pathlib import Path

import numpy as np
import pytest
from cases import CASES, levain_dough, white
from outside import OUTSIDE

from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.dough import Dough, FlourPart, makeup
from gentle_crust.core.fermentation.engine import Leg, begin, handled, rise_of, run
from gentle_crust.core.fermentation.forecast import Stretch, forecast
from gentle_crust.core.fermentation.temperature import cool, node_shares
from gentle_crust.core.fermentation.uncertainty import ONE
from gentle_crust.text.render import say

FIT = Path(__file__).parents[2] / "script" / "lib" / "fit.py"


def hours_to(dough: Dough, c: float, rise: float, start_c: float | None = None, container="covered_bowl", hours=48.0):
    answer = forecast(makeup(dough), c if start_c is None else start_c, (Stretch(hours, c, container),), (rise,))
    return answer.targets[0].hours


@pytest.mark.parametrize("case", (*CASES, *OUTSIDE), ids=lambda case: case.name)
def test_what_bakers_see_comes_out_in_its_window(case):
    assert case.low <= case.value() <= case.high


def test_the_constants_are_those_that_the_fit_gives():
    """In a process of its own, since fitting tries other constants."""
    checked = subprocess.run([sys.executable, FIT, "--check"], capture_output=True, text=True, check=False)
    assert (checked.returncode, checked.stderr) == (0, "")


def test_cold_proof_gains_mostly_in_its_first_hours():
    made = makeup(levain_dough(20))
    bulk = run(made, begin(made, 24), Leg(9, np.array([24.0]), "covered_bowl", 1800, 2.4), ONE)
    state = bulk.at(float(bulk.hours_to(0.5)[0]))
    for handling in ("divide", "gentle_shape"):
        state = handled(made, state, handling)
    holds = greatest_rise(made, "free_standing")
    cold = run(made, state, Leg(12, np.full(48, 4.0), "banneton", 900, holds), ONE)
    gains = cold.rise[:, 0] - rise_of(made, state)[0]
    assert gains[20] > 0.5 * gains[-1] > 0


@pytest.mark.parametrize("folds", [1.0, 0.5, 0.0])
def test_a_neglected_dough_holds_less(folds):
    made = replace(makeup(levain_dough(20)), folded=folds)
    assert greatest_rise(made, "bulk") == pytest.approx(2.4 * {1.0: 1, 0.5: 0.97, 0.0: 0.92}[folds], rel=0.02)


BASE = {"flours": white(), "water_g": 725, "salt_g": 20.0, "levain_g": 200}


@pytest.mark.parametrize(
    ("name", "values"),
    [
        ("salt_g", (0, 5, 10, 20, 30, 40)),
        ("sugar_g", (40, 60, 80, 120)),
        ("oil_g", (60, 90, 120, 160)),
        ("levain_g", (400, 200, 100, 50)),
    ],
)
def test_more_salt_sugar_or_fat_is_slower_and_less_leaven_too(name, values):
    times = [hours_to(Dough(**(BASE | {name: value})), 24, 0.3).likely for value in values]
    assert times == sorted(times) and times[0] < times[-1]


@pytest.mark.parametrize(
    ("name", "middle", "step"),
    [("water_g", 725, 1), ("salt_g", 20, 0.2), ("sugar_g", 50, 1), ("oil_g", 60, 1), ("levain_g", 200, 2)],
)
def test_a_little_more_of_anything_moves_the_time_by_a_little(name, middle, step):
    times = [hours_to(Dough(**(BASE | {name: middle + step * n})), 24, 0.6).likely for n in (-2, -1, 0, 1, 2)]
    assert np.ptp(times) < 0.03 * times[2]


def test_a_little_warmer_moves_the_time_by_a_little_everywhere():
    times = np.array([hours_to(levain_dough(20), c, 0.3, hours=120).likely for c in np.arange(7, 30, 0.25)])
    assert np.abs(np.diff(np.log(times))).max() < 0.08


def test_dough_in_a_basket_takes_hours_to_cool_in_its_middle():
    path = cool(np.full(8, 24.0), 900, "banneton", np.full(96, 4.0), 1 / 8, fridge=True)
    assert 5 <= np.argmax(path[:, 0] < 6) / 8 <= 9
    assert path[-1] @ node_shares() > 4


def test_conduction_agrees_with_the_analytic_sphere():
    """A sphere whose surface is all but held at the bath's temperature: first terms of Fourier's series."""
    k, heat, density, mass = 0.45, 2800, 1100, 1.0
    radius = (3 * mass / density / (4 * np.pi)) ** (1 / 3)
    bath = 60
    biot = bath * radius / k
    grid = np.linspace(1e-3, 40, 400_001)
    values = 1 - grid / np.tan(grid) - biot
    roots = [grid[i] for i in range(len(grid) - 1) if values[i] < 0 < values[i + 1]]
    fourier = k / (heat * density) * 3600 / radius**2
    mean = sum(6 * biot**2 / (z**2 * (z**2 + biot * (biot - 1))) * np.exp(-(z**2) * fourier) for z in roots)
    path = cool(np.full(8, 30.0), 1000, "water_bath", np.full(20, 20.0), 1 / 20)
    assert (path[-1] @ node_shares() - 20) / 10 == pytest.approx(mean, abs=0.02)


def test_finer_steps_change_little(monkeypatch):
    coarse = hours_to(levain_dough(20), 27, 0.75).likely
    monkeypatch.setattr("gentle_crust.core.fermentation.engine.STEP_H", 1 / 60)
    assert hours_to(levain_dough(20), 27, 0.75).likely == pytest.approx(coarse, rel=0.01)


def test_one_activity_alone_goes_as_it_does_among_many():
    made = makeup(levain_dough(20))
    leg = Leg(14, np.full(56, 25.0), "covered_bowl", 1800, 2.4, (0.75, 1.25, 1.75))
    alone, among = (run(made, begin(made, 25, len(each)), leg, each) for each in (ONE, np.array([0.7, 1.0, 1.4])))
    assert np.abs(alone.rise[:, 0] - among.rise[:, 1]).max() < 0.01


def test_warmer_is_faster_up_to_the_optimum_and_more_leaven_too():
    by_c = [hours_to(levain_dough(20), c, 0.5).likely for c in (16, 18, 20, 22, 24, 26)]
    by_dose = [hours_to(levain_dough(dose), 24, 0.5).likely for dose in (5, 10, 20, 30)]
    assert by_c == sorted(by_c, reverse=True)
    assert by_dose == sorted(by_dose, reverse=True)


def test_band_encloses_the_likely_and_unreached_targets_are_null():
    answer = forecast(makeup(levain_dough(20)), 24, (Stretch(9, 24, "covered_bowl"),), (0.5, 5.0))
    reached, never = answer.targets
    assert reached.hours.low < reached.hours.likely < reached.hours.high
    assert never.hours.likely is None and never.hours.low is None
    assert all(point.rise_low <= point.rise <= point.rise_high for point in answer.curve)
    assert [point.hours for point in answer.curve[:3]] == pytest.approx([0, 1 / 6, 2 / 6])
    assert answer.curve[-1].ph < answer.curve[0].ph


def test_bigger_piece_stays_warm_longer_in_the_fridge():
    path = (Stretch(3, 22, "covered_bowl"), Stretch(6, 4, "banneton"))
    whole, halves = (forecast(makeup(levain_dough(20)), 25, path, (), pieces=pieces).curve[-1] for pieces in (1, 4))
    assert whole.dough_c > halves.dough_c and whole.rise > halves.rise


@pytest.mark.parametrize(
    ("dough", "field"),
    [
        (Dough((FlourPart("sawdust", 500),), 300), "dough.flours.0.kind"),
        (Dough(white(), 100), "dough.water_g"),
        (Dough(white(), 700, salt_g=80), "dough.salt_g"),
        (Dough(white(), 700, salt_g=-1), "dough.salt_g"),
        (Dough((), 700), "dough.flours"),
        (Dough(white(), 700, instant_yeast_g=90), "dough.instant_yeast_g"),
    ],
)
def test_impossible_doughs_name_their_field(dough, field):
    with pytest.raises(CraftError) as refused:
        makeup(dough)
    assert refused.value.field == field and say(refused.value.what).remedy
