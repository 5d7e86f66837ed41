"""A load seen from above: it is the load that is baked, it stands inside, and nothing lies on anything else."""

from itertools import combinations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from gentle_crust.core.oven.equipment import Oven, Vessel, fits, per_load
from gentle_crust.core.oven.loaf import Loaf
from gentle_crust.core.oven.shelf import load_plan

TRAY, STONE, POT = (Vessel(kind, kind, kind, count=2) for kind in ("tray", "stone", "lidded_cast_iron"))
STAGES = (12.0, 20.0)


def plan(vessel, loaf, pieces, oven=None):
    return load_plan(vessel, oven or Oven(), loaf, pieces, STAGES)


@settings(max_examples=150, deadline=None)
@given(
    kind=st.sampled_from(["tray", "stone", "steel", "perforated_tray", "tin", "lidded_cast_iron", "metal_dome"]),
    shape=st.sampled_from(["boule", "batard", "slipper", "roll", "flat_round", "pan_loaf"]),
    grams=st.integers(60, 1000),
    pieces=st.integers(1, 60),
    litres=st.integers(30, 200),
    count=st.integers(1, 4),
)
def test_every_load_that_fits_is_drawn_whole_and_apart(kind, shape, grams, pieces, litres, count):
    vessel, oven = Vessel(kind, kind, kind, count=count), Oven(volume_l=litres, shelf_cm2=1600 * (litres / 60) ** 0.67)
    if fits(vessel, shape, grams):
        return
    loaf = Loaf(float(grams), shape=shape)
    found = plan(vessel, loaf, pieces, oven)
    assert found.at_once == per_load(vessel, oven, loaf, pieces) <= found.most
    assert sum(len(shelf) for shelf in found.shelves) == found.at_once
    assert found.loads == -(-pieces // found.at_once)
    for shelf in found.shelves:
        for one, other in combinations(shelf, 2):
            # Counted by their room, a few that would touch in rows stand a little askew in truth.
            beside = abs(one.x_cm - other.x_cm) >= 0.99 * one.across_cm
            behind = abs(one.y_cm - other.y_cm) >= 0.99 * one.along_cm
            assert beside or behind, (one, other)
        for one in shelf if "load-too-long" not in str(found.said) else ():
            assert one.x_cm - one.across_cm / 2 > -6 and one.x_cm + one.across_cm / 2 < found.wide_cm + 6


def test_trays_on_two_shelves_share_the_rolls_and_change_places_half_way():
    found = plan(TRAY, Loaf(80, shape="roll"), 40)
    assert len(found.shelves) == 2 and abs(len(found.shelves[0]) - len(found.shelves[1])) <= 1
    assert found.swap_min is not None and STAGES[0] <= found.swap_min < sum(STAGES)
    assert "load-swapped" in str(found.said)
    assert found.gap_cm > 1


def test_one_loaf_on_a_stone_has_nothing_to_change_and_room_around_it():
    found = plan(STONE, Loaf(850), 1)
    assert found.at_once == 1 < found.most and found.swap_min is None and found.loads == 1
    assert "load-apart" not in str(found.said)


def test_more_loaves_than_have_room_are_baked_in_loads():
    found = plan(POT, Loaf(850), 5)
    assert (found.at_once, found.loads) == (2, 3) and "load-of-loads" in str(found.said)


def test_sticks_longer_than_the_stone_are_said_to_be():
    found = plan(STONE, Loaf(400, shape="baguette"), 2)
    assert "load-too-long" in str(found.said)
    assert "load-too-long" not in str(plan(STONE, Loaf(200, shape="baguette"), 2).said)


def test_loaves_in_a_fired_oven_are_turned():
    found = plan(Vessel("floor", "oven_floor", "Floor"), Loaf(850), 3, Oven(kind="wood", volume_l=150))
    assert found.swap_min is not None and "load-turned" in str(found.said)


@pytest.mark.parametrize("pieces", [1, 2, 7, 23])
def test_more_pieces_lie_closer(pieces):
    gaps = [plan(TRAY, Loaf(80, shape="roll"), count).gap_cm for count in (pieces, pieces + 10)]
    assert gaps[0] >= gaps[1] - 0.2
