"""An oven learnt by its bakes: what is measured of loaves moves its heat and its pace, by as much as that can tell."""

from dataclasses import replace

import numpy as np
import pytest

from gentle_crust.core.errors import CraftError
from gentle_crust.core.oven.bake import bake
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.oven.learnt import MOST_K, doubt, learnt, lesson, said, taught
from gentle_crust.core.oven.lesson import OVENS_DIFFER_K, Seen
from gentle_crust.core.oven.loaf import Loaf
from gentle_crust.core.oven.staged import Want, draft, heat_of

LOAVES = (
    (Loaf(850), "lidded_cast_iron", ()),
    (Loaf(350, shape="baguette"), "stone", ("hot_pan",)),
    (Loaf(900, shape="pan_loaf"), "tin", ()),
    (Loaf(80, shape="roll"), "tray", ()),
)


@pytest.fixture(scope="module")
def bakes():
    return [draft(loaf, 1, Vessel(kind, kind, kind), Oven(), Want(steam=steam)).bake for loaf, kind, steam in LOAVES]


def truly(question, hotter_k=0.0, pace=1.0):
    """The same bake in the oven as it really is."""
    return bake(replace(question, oven=replace(question.oven, offset_k=hotter_k, pace=pace)))


def seen_of(question, went, dice=None):
    """Core eight minutes before its end, colour and loss at its end, as a baker measures them."""
    at = question.minutes - 8
    rough = (lambda _: 0.0) if dice is None else (lambda sd: float(dice.normal(0, sd)))
    return Seen(
        core_c=min(went.at("core", at) + rough(1.5), 105),
        core_min=at,
        colour=float(np.clip(went.end("colour") + rough(8), 0, 100)),
        loss=float(np.clip(went.end("loss") + rough(0.01), 0, 0.5)),
    )


def taught_by(bakes, count, hotter_k=0.0, pace=1.0, dice=None):
    asked = [bakes[at % len(bakes)] for at in range(count)]
    return learnt(lesson(each, seen_of(each, truly(each, hotter_k, pace), dice)) for each in asked)


def test_an_oven_that_bakes_as_foretold_stays_as_it_is_described(bakes):
    found = taught_by(bakes, 8)
    assert found.heat_k == pytest.approx(0, abs=0.1) and found.pace == pytest.approx(1, abs=0.005)
    assert found.bakes == 8 and found.heat_sd_k < OVENS_DIFFER_K / 2


@pytest.mark.parametrize("hotter_k", [-20, -10, 10, 20])
def test_a_hotter_or_cooler_oven_is_told_and_the_more_bakes_the_surer(bakes, hotter_k):
    one, many = taught_by(bakes, 1, hotter_k), taught_by(bakes, 12, hotter_k)
    assert np.sign(one.heat_k) == np.sign(many.heat_k) == np.sign(hotter_k)
    assert abs(one.heat_k) < abs(hotter_k), "a single bake does not move it all the way"
    assert many.heat_k == pytest.approx(hotter_k, abs=5) and many.heat_sd_k < one.heat_sd_k
    low, high = doubt(many)
    assert low < many.heat_k < high


@pytest.mark.parametrize("pace", [0.88, 1.14])
def test_an_oven_whose_heat_loaves_take_up_otherwise_is_told_from_a_hotter_one(bakes, pace):
    found = taught_by(bakes, 12, pace=pace)
    assert (found.pace > 1.04) if pace > 1 else (found.pace < 0.96)
    assert abs(found.heat_k) < 8


def test_rough_measures_tell_it_too(bakes):
    """Over forty kitchens of eight bakes each, the median miss is less than half of what ovens differ."""
    dice = np.random.default_rng(11)
    misses = []
    for _ in range(40):
        truth = float(np.clip(dice.normal(0, OVENS_DIFFER_K), -30, 30))
        misses.append(abs(taught_by(bakes, 8, truth, dice=dice).heat_k - truth))
    assert np.median(misses) < 5


def test_a_slip_of_the_hand_is_not_believed_far(bakes):
    question = bakes[0]
    good = seen_of(question, truly(question))
    slip = lesson(question, replace(good, loss=0.45))
    assert abs(learnt([slip]).heat_k) < 15 < MOST_K


def test_what_was_corrected_on_the_dial_meanwhile_is_not_counted_twice(bakes):
    """Ten kelvin too hot was learnt; then its baker writes down eight of them: two are left."""
    lessons = [lesson(each, seen_of(each, truly(each, 10))) for each in bakes * 3]
    before, after = learnt(lessons, 0.0), learnt(lessons, 8.0)
    assert after.heat_k == pytest.approx(before.heat_k - 8, abs=1.5)


def test_a_taught_oven_bakes_as_it_was_taught_to_and_says_so(bakes):
    found = taught_by(bakes, 12, 12)
    oven = taught(Oven(name="Old Bess"), found)
    assert oven.name == "Old Bess" and oven.offset_k == pytest.approx(found.heat_k, abs=0.1)
    assert heat_of(oven).pace == pytest.approx(found.pace, abs=0.001)
    question = bakes[0]
    usual, now = bake(question), bake(replace(question, oven=heat_of(oven)))
    assert now.end("colour") > usual.end("colour") + 5
    assert "hotter" in str(said(found))
    assert taught(Oven(), learnt([])) == Oven(), "nothing learnt, nothing changed"
    assert taught(Oven(kind="wood"), found) == Oven(kind="wood")


@pytest.mark.parametrize(
    ("seen", "field"),
    [
        (Seen(), "seen"),
        (Seen(core_c=140), "core_c"),
        (Seen(colour=120), "colour"),
        (Seen(loss=0.9), "loss"),
    ],
)
def test_what_no_loaf_has_teaches_nothing(bakes, seen, field):
    with pytest.raises(CraftError) as refused:
        lesson(bakes[0], seen)
    assert refused.value.field == field


def test_a_fired_oven_is_measured_and_not_learnt(bakes):
    wood = replace(bakes[0], oven=replace(bakes[0].oven, kind="wood"))
    with pytest.raises(CraftError):
        lesson(wood, Seen(colour=60))
