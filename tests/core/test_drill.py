"""Reading dough for practice: what is drawn holds what it shows, signs follow their tables, scores are honest."""

from collections import Counter
from dataclasses import replace
from itertools import pairwise
from math import log2, pi

import pytest

from gentle_crust.core.drill.drill import (
    DRILLED,
    SURENESS,
    Reading,
    becomes,
    drill,
    finger_of,
    given,
    score,
)
from gentle_crust.core.drill.vessel import BULGE, STEEP, Vessel, standing, vessel_for
from gentle_crust.core.errors import CraftError
from gentle_crust.core.readiness.cues import STATES
from gentle_crust.text.render import say
from tests.core.test_following import LEVAIN, YEASTED

DENSE_RYE = replace(LEVAIN, flours=(replace(LEVAIN.flours[0], kind="rye", percent=100),))


def volume_ml(points):
    """The body that the dough's outline sweeps, ml: discs from the outline's right half, and its cap."""
    right = [(x, y) for x, y in points if x >= 0]
    floor = min(right, key=lambda each: (each[1], -each[0]))
    surface = sorted([each for each in right if each is not floor and each[1] > 0])
    edge = surface[-1]
    cone = pi * edge[1] / 3 * (floor[0] ** 2 + floor[0] * edge[0] + edge[0] ** 2)
    cap = sum(
        pi * (x2**2 - x1**2) * ((y1 + y2) / 2 - edge[1])
        for (x1, y1), (x2, y2) in pairwise([(0.0, surface[0][1]), *surface])
    )
    return (cone + cap) / 1000


@pytest.mark.parametrize("container", STEEP)
@pytest.mark.parametrize("edge", BULGE)
@pytest.mark.parametrize("rise", [0.2, 1.0])
def test_what_is_drawn_holds_the_dough_whatever_its_surface(container, edge, rise):
    vessel = vessel_for(container, 800 * 2.6)
    drawn = standing(vessel, 800, rise, edge, "some", 3)
    assert volume_ml(drawn.dough) == pytest.approx(800 * (1 + rise), rel=0.04)
    assert all(y <= vessel.high * 1.05 for _, y in drawn.dough)
    assert drawn.began[0][1] == pytest.approx(vessel.height_of(800), abs=0.1)


def test_a_flared_bowl_deceives_and_a_straight_box_does_not():
    bowl, box = vessel_for("bowl", 2000), vessel_for("box", 2000)
    assert box.height_of(1600) / box.height_of(800) == pytest.approx(2, rel=0.01)
    assert bowl.height_of(1600) / bowl.height_of(800) < 1.75
    assert Vessel(50, 50, 100).ml(100) == pytest.approx(pi * 2.5 * 100, rel=0.001)


@pytest.mark.parametrize("stage", DRILLED)
@pytest.mark.parametrize("formula", [LEVAIN, YEASTED, DENSE_RYE], ids=["levain", "yeasted tin", "rye"])
def test_a_dough_stands_where_its_rise_says_and_ripens_from_state_to_state(stage, formula):
    found = [drill(formula, stage, "stone", 7, state) for state in STATES]
    rises = [each.rise for each in found]
    assert rises == sorted(rises) and len(set(rises)) == 5
    assert all(each.signs for each in found)
    ready = found[2]
    assert ready.wanted[0] <= ready.rise <= ready.wanted[1]
    assert found[0].rise < ready.wanted[0] and found[4].rise > ready.wanted[1]
    assert all(-0.01 <= each.share <= 1.05 for each in found)


def test_the_same_lot_is_the_same_dough_and_lots_are_shared_out_evenly():
    assert drill(LEVAIN, "bulk", "stone", 12345) == drill(LEVAIN, "bulk", "stone", 12345)
    states = Counter(drill(LEVAIN, "bulk", "stone", seed).state for seed in range(300))
    assert all(40 <= states[state] <= 82 for state in STATES)
    containers = Counter(drill(LEVAIN, "bulk", "stone", seed).container for seed in range(200))
    assert set(containers) == {"bowl", "box"} and min(containers.values()) > 70
    assert drill(YEASTED, "final_proof", "tin", 4).container == "tin"
    assert drill(LEVAIN, "final_proof", "stone", 4).container == "basket"


def test_signs_are_mostly_those_of_where_it_stands():
    over = [drill(LEVAIN, "final_proof", "stone", seed) for seed in range(500)]
    pokes = {
        state: Counter(sign.value for each in over if each.state == state for sign in each.signs if sign.cue == "poke")
        for state in ("early", "over")
    }
    assert pokes["early"].most_common(1)[0][0] == "springs_back" and pokes["over"].most_common(1)[0][0] == "stays"


def test_what_spoke_for_it_is_told_in_bits_the_strongest_first():
    for seed in range(40):
        bits = [abs(each) for _, each in drill(LEVAIN, "bulk", "stone", seed).speaks]
        assert bits == sorted(bits, reverse=True) and all(each >= 0.2 for each in bits)
    typical = drill(LEVAIN, "bulk", "stone", 1, "ready")
    assert sum(bits for _, bits in typical.speaks) > 2, "a typical dough speaks for itself"


@pytest.mark.parametrize("sure", SURENESS)
@pytest.mark.parametrize("state", STATES)
def test_what_a_reading_gives_adds_up_and_the_nearer_states_get_more(sure, state):
    shared = given(Reading(state, sure))
    assert sum(shared.values()) == pytest.approx(1) and shared[state] == SURENESS[sure]
    place = STATES.index(state)
    for left, right in pairwise(range(place, 5)):
        assert shared[STATES[left]] > shared[STATES[right]]


def test_the_score_is_that_of_logarithms_and_rewards_who_says_what_he_knows():
    assert score(Reading("ready", "sure"), "ready") == 2.0
    assert score(Reading("ready", "sure"), "early") < score(Reading("ready", "guess"), "early") < 0
    for truth in (0.3, 0.55, 0.8):
        means = {sure: truth * log2(p / 0.2) + (1 - truth) * log2((1 - p) / 4 / 0.2) for sure, p in SURENESS.items()}
        assert max(means, key=means.get) == {0.3: "guess", 0.55: "fairly", 0.8: "sure"}[truth]


def test_who_calls_a_proof_riper_than_it_is_calls_it_ready_early():
    found = drill(LEVAIN, "final_proof", "stone", 1, "nearly")
    assert finger_of(Reading("ready", "sure"), found) == pytest.approx(-0.06)
    assert finger_of(Reading("nearly", "sure"), found) == 0
    assert finger_of(Reading("early", "sure"), found) == pytest.approx(0.06)
    assert finger_of(Reading("ready", "sure"), drill(LEVAIN, "bulk", "stone", 1)) is None


def test_every_state_has_its_loaf_in_words():
    told = {str(say(becomes(stage, state))) for stage in DRILLED for state in STATES}
    assert len(told) == 10 and all(each.endswith(".") for each in told)


@pytest.mark.parametrize(
    ("wrong", "field"),
    [
        (lambda: drill(LEVAIN, "baked", "stone", 1), "stage"), (lambda: drill(LEVAIN, "bulk", "stone", -1), "seed"),
        (lambda: given(Reading("perfect", "sure")), "state"), (lambda: given(Reading("ready", "very")), "sure"),
        (lambda: drill(LEVAIN, "final_proof", "bucket", 1), "vessel"),
    ],
)  # fmt: skip
def test_what_there_is_not_is_refused_by_its_field(wrong, field):
    with pytest.raises(CraftError) as refused:
        wrong()
    assert refused.value.field == field and say(refused.value.what).remedy
