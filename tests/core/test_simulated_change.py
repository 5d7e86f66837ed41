"""What a change would have made of the very bake, by the engines; and bakes lived by them whose fault is known."""

import os
from collections import Counter
from dataclasses import replace

import pytest

from gentle_crust.core.diagnosis.change import change_for
from gentle_crust.core.diagnosis.diagnose import diagnose
from gentle_crust.core.diagnosis.evidence import evidence
from gentle_crust.core.diagnosis.record import Record, ShareLogged
from gentle_crust.core.diagnosis.simulated import (
    Known,
    baked_with,
    bulk_at,
    bulk_with,
    held_with,
    longer_baked,
    longer_bulk,
    longer_proof,
    usual_rise,
)
from gentle_crust.core.fermentation.dough import makeup_of
from gentle_crust.text.render import say
from tests.core.test_following import YEASTED
from tests.stories.simulated import WRONG, lived

SHORT = Record(
    dough_c=24, room_c=21, leaven="levain", bulk_rise=0.3, bulk_wanted=0.6, bulk_hours=4.5, proof_hours=1.5,
    proof_share=ShareLogged(0.52, 0.6, 0.68), vessel="lidded_cast_iron", set_c=240, baked_min=40, steam_min=20,
    core_c=92, colour=50, base_colour=40, loss_fraction=0.13, preheat_min=20, soak_min=40, folds_done=1,
    folds_planned=4,
)  # fmt: skip


def test_a_longer_bulk_takes_as_long_as_the_dough_that_was_seen_needs():
    found = longer_bulk(SHORT, 0.6)
    assert 40 <= found["more_min"] <= 120
    assert found["share_was"] == 0.6 and 0.62 < found["share"] < 0.85
    assert longer_bulk(SHORT, 0.3)["more_min"] == 0
    assert longer_bulk(SHORT, 0.9)["more_min"] > found["more_min"]
    assert longer_bulk(replace(SHORT, bulk_rise=0.9), 0.6)["more_min"] < 0


def test_a_dough_that_rose_as_far_in_half_the_time_needs_less_than_one_that_took_its_time():
    quick = longer_bulk(replace(SHORT, bulk_hours=2.5), 0.6)["more_min"]
    assert quick < longer_bulk(SHORT, 0.6)["more_min"] < longer_bulk(replace(SHORT, bulk_hours=8.0), 0.6)["more_min"]


def test_a_rise_that_never_comes_is_not_promised():
    assert longer_bulk(SHORT, 5.0) == {}
    assert longer_bulk(replace(SHORT, bulk_hours=None), 0.6) == {}


def test_a_proof_goes_on_until_the_share_that_is_wanted():
    more = longer_proof(SHORT, 0.74)["more_min"]
    assert 20 <= more <= 180
    assert longer_proof(SHORT, 0.66)["more_min"] < more
    over = replace(SHORT, proof_share=ShareLogged(0.84, 0.9, 0.96), bulk_rise=0.6)
    assert longer_proof(over, 0.84)["more_min"] < 0
    assert longer_proof(replace(SHORT, proof_share=None), 0.74) == {}


def test_warmer_dough_and_livelier_leaven_shorten_bulk():
    cold = bulk_at(replace(SHORT, dough_c=19), 25)
    assert cold["bulk_min"] < cold["bulk_was_min"]
    assert bulk_at(SHORT, 24)["bulk_min"] == bulk_at(SHORT, 24)["bulk_was_min"]
    weak = bulk_with(replace(SHORT, leaven_vigour=0.6), 1.0)
    assert 0.4 * weak["bulk_was_min"] < weak["bulk_min"] < 0.85 * weak["bulk_was_min"]


def test_a_bake_is_moved_from_what_was_measured_of_it():
    hotter = baked_with(SHORT, hotter_k=20)
    assert hotter["colour"] > 50 and hotter["base_colour"] > 40 and hotter["loss_fraction"] > 0.13
    same = baked_with(SHORT)
    assert (same["colour"], same["core_c"], same["loss_fraction"]) == (50, 92, 0.13)
    soaked = baked_with(SHORT, preheat_min=40)
    assert soaked["base_colour"] > 40
    later = baked_with(SHORT, steam_min=30)
    assert later["colour"] < 50, "a lid that stays on keeps it pale"
    assert baked_with(replace(SHORT, baked_min=None)) == {}
    assert baked_with(replace(SHORT, vessel="bucket")) == {}


def test_a_core_that_is_wanted_takes_its_minutes():
    longer = longer_baked(SHORT, 95.5)
    assert 2 <= longer["more_min"] <= 20 and longer["colour"] > 50 and longer["loss_fraction"] > 0.13
    assert longer_baked(replace(SHORT, core_c=98), 95.5)["more_min"] < 0
    assert longer_baked(replace(SHORT, core_c=None), 95.5) == {}


def test_folds_let_a_dough_hold_more():
    assert held_with(SHORT, 4)["holds_more"] > held_with(SHORT, 2)["holds_more"] >= 0
    assert held_with(replace(SHORT, folds_done=None), 4) == {}


def test_the_bakers_own_dough_is_simulated_where_it_is_known():
    own = Known(makeup_of(YEASTED))
    usual, real = usual_rise(SHORT), usual_rise(SHORT, own)
    assert usual is not None and real is not None and abs(usual - real) > 0.05
    speaks = [next(each for each in evidence(SHORT, known) if each.code == "bulk_hours") for known in (own, Known())]
    assert speaks[0].ratios["bulk_under"] != speaks[1].ratios["bulk_under"]


def test_a_bulk_that_was_long_enough_is_not_to_blame():
    weak = replace(SHORT, leaven_vigour=0.5, bulk_hours=7.0)
    named = {each.cause: each.p for each in diagnose(weak, ("dense_tight",)).causes}
    assert named["leaven_weak"] > 0.5 > named.get("bulk_under", 0)
    stopped = replace(SHORT, leaven_vigour=1.0, bulk_hours=3.0)
    named = {each.cause: each.p for each in diagnose(stopped, ("dense_tight",)).causes}
    assert named["bulk_under"] > 0.5 > named.get("leaven_weak", 0)


@pytest.mark.parametrize(
    ("cause", "says"),
    [
        ("bulk_under", "instead of 60"), ("proof_under", "more in the room"), ("dough_cold", "Bulk then takes"),
        ("leaven_weak", "Bulk then takes"), ("gluten_under", "can then hold"), ("oven_unsoaked", "Its top then"),
        ("oven_cool", "Its top then"), ("out_early", "more in the oven"), ("steam_long", "Its top then"),
    ],
)  # fmt: skip
def test_a_change_says_what_comes_of_it(cause, says):
    record = replace(SHORT, leaven_vigour=0.6, chamber_c=215)
    change = change_for(cause, record, {})
    assert says in str(say(change.text))


@pytest.mark.parametrize("cause", ["score_poor", "seam_open", "kept_wrong", "bench_flour"])
def test_what_no_engine_knows_is_not_foretold(cause):
    change = change_for(cause, SHORT, {})
    assert set(change.predicted) == {"again"}
    assert str(say(change.text)).count(".") == 1


def test_the_fault_of_a_bake_that_the_engines_lived_is_found():
    """Seeds from 5000 on: none of them was looked at while the tables were made."""
    seeds = range(5000, 5000 + (40 if os.environ.get("GENTLE_CRUST_PROVE") else 5))
    right: Counter[str] = Counter()
    for wrong in WRONG:
        for seed in seeds:
            bake = lived(wrong, seed)
            right[wrong] += diagnose(bake.record, bake.seen).causes[0].cause == wrong
    share = sum(right.values()) / (len(WRONG) * len(seeds))
    print(f"first cause right in {share:.1%} of {len(WRONG) * len(seeds)} lived bakes;", dict(right))
    assert share >= 0.75
    assert all(count >= 0.25 * len(seeds) for count in right.values())
