"""Gluten that tires, acid that is made, preferments that bring what they are: the parts of the engine by themselves."""

from dataclasses import replace
from itertools import pairwise

import numpy as np
import pytest

from gentle_crust.core.fermentation.acid import made, sourness
from gentle_crust.core.fermentation.capacity import greatest_rise, held_by_gluten, in_jar, reach_of
from gentle_crust.core.fermentation.dough import Dough, FlourPart, makeup, sugar_food_ml, with_preferment
from gentle_crust.core.fermentation.engine import Leg, begin, end_to_end, handled, joined, ph_of, run
from gentle_crust.core.fermentation.forecast import Stretch
from gentle_crust.core.fermentation.gluten import wear_of
from gentle_crust.core.fermentation.uncertainty import ONE, activities, bought, of_leaven, spread, unknown
from gentle_crust.core.leaven.brought import MixedIn, at_mixing, whole
from gentle_crust.core.leaven.preferment import PrefermentAsked, trace_of, usable_from, with_yeast


def one_flour(kind: str = "strong_white", water: float = 0.68, **more) -> Dough:
    return Dough((FlourPart(kind, 1000),), 1000 * water, 20, **more)


YEASTED = makeup(one_flour(instant_yeast_g=10))


def left(makeup_, hours: float, c: float = 24.0, holds: float = 2.0):
    """A dough left alone at one warmth."""
    steps = round(4 * hours)
    return run(makeup_, begin(makeup_, c), Leg(hours, np.full(steps, c), "covered_bowl", 1700, holds), ONE)


@pytest.mark.parametrize(
    ("weak", "strong"), [("rye", "spelt"), ("spelt", "plain_white"), ("plain_white", "strong_white")]
)
def test_weak_flour_tires_sooner(weak, strong):
    one, other = (wear_of(makeup(one_flour(kind, instant_yeast_g=10))) for kind in (weak, strong))
    assert one.overfull > other.overfull and one.aged >= other.aged and one.acid >= other.acid


def test_gluten_is_sound_until_it_is_stretched_and_tires_for_good():
    trace = left(YEASTED, 30)
    sound = trace.sound[:, 0]
    full = int(trace.rise[:, 0].argmax())
    assert sound[0] == 1 and sound[full // 2] > 0.98
    assert (np.diff(sound) < 0).all() and sound[-1] < 0.4
    warm, cool = left(YEASTED, 30, 30.0).sound[-1, 0], left(YEASTED, 30, 18.0).sound[-1, 0]
    assert warm < sound[-1] < cool


def test_hands_mend_a_part_of_it():
    tired = left(YEASTED, 16).end()
    mended = [float(handled(YEASTED, tired, what).sound[0]) for what in ("divide", "fold", "knock_back")]
    assert tired.sound[0] == pytest.approx(mended[0]) and mended == sorted(mended) and mended[-1] < 1


def test_walls_carry_what_rises_in_a_jar():
    free, jar = (left(replace(YEASTED, in_jar=where), 20).rise[-1, 0] for where in (False, True))
    assert jar > free + 0.2


def test_what_is_more_than_a_dough_holds_is_lost():
    """Risen far in a bowl, then shaped into what holds less: it sinks, it does not stay."""
    state = left(YEASTED, 3, holds=2.4).end()
    after = run(YEASTED, state, Leg(3, np.full(12, 24.0), "banneton", 850, 0.8), ONE)
    assert after.rise[0, 0] > 1.5 and after.rise[-1, 0] < 0.85
    assert (np.diff(after.rise[:, 0]) < 0).all()


def test_wheat_holds_most_and_rye_stands_as_a_foam_in_its_jar():
    jars = {kind: in_jar(makeup(one_flour(kind, 1.0))) for kind in ("strong_white", "whole_wheat", "whole_rye", "rice")}
    assert jars["strong_white"] > jars["whole_wheat"] > jars["whole_rye"] > 2 * jars["rice"]
    bowls = {kind: greatest_rise(makeup(one_flour(kind)), "bulk") for kind in ("strong_white", "rye", "rice")}
    assert bowls["strong_white"] > bowls["rye"] > bowls["rice"]
    held = [held_by_gluten(strength) for strength in np.linspace(0, 1.1, 12)]
    assert all(one < other for one, other in pairwise(held))


def test_what_flours_can_reach_is_between_what_each_can():
    def reach(white: float) -> float:
        parts = (("strong_white", white), ("whole_rye", 100 - white))
        return reach_of(tuple(FlourPart(kind, g) for kind, g in parts if g), 1.0, in_jar=True).greatest_rise

    shares = [reach(white) for white in range(0, 101, 10)]
    assert shares == sorted(shares) and shares[0] < 0.75 * shares[-1]
    assert reach_of((FlourPart("whole_rye", 30), FlourPart("strong_white", 70))).rye == pytest.approx(0.3)


HOURS = np.linspace(0, 10, 41)


def test_acid_is_made_by_many_bacteria_in_the_warm():
    few, many = (made(HOURS, np.full(41, 26.0), np.full(41, share), 1.0) for share in (0.2, 1.0))
    cold = made(HOURS, np.full(41, 6.0), np.full(41, 1.0), 1.0)
    assert few[0] == 0.2 and many[0] == 1.0, "what was brought"
    assert few[-1] < many[-1] > cold[-1] and (np.diff(many) > 0).all()


def test_acid_of_the_cold_and_of_stiff_doughs_is_sharper():
    bacteria = np.full(41, 0.8)

    def taste(c: float, hours: float, water: float = 0.75, buffer: float = 1.0) -> float:
        return sourness(HOURS * hours / 10, np.full(41, c), bacteria, water, 1.0, buffer)

    warm = made(HOURS, np.full(41, 26.0), bacteria, 1.0)[-1]
    long_h = next(
        h for h in np.arange(10, 200, 1.0) if made(HOURS * h / 10, np.full(41, 6.0), bacteria, 1.0)[-1] >= warm
    )
    assert taste(6.0, long_h) > taste(26.0, 10) + 0.05, "as much acid"
    assert taste(24, 8, water=0.5) > taste(24, 8) and taste(24, 8, buffer=1.45) > taste(24, 8)
    assert 0 <= taste(24, 0.01) < taste(24, 30) < 1


def test_rye_takes_up_more_acid_for_the_same_ph():
    bacteria = np.array([0.0, 0.5, 1.0])
    assert ph_of(bacteria)[0] == ph_of(bacteria, 1.45)[0]
    assert (ph_of(bacteria, 1.45)[1:] > ph_of(bacteria)[1:]).all()


def test_a_preferment_brings_its_cells_awake_and_its_food_spent():
    plain = makeup(one_flour(instant_yeast_g=2))
    with_it = with_preferment(plain, 0.2, 180.0, 40.0)
    assert with_it.yeast_percent == pytest.approx(0.4) and with_it.asleep == pytest.approx(0.5)
    assert with_it.gas_made_ml == plain.gas_made_ml + 180 and with_it.gassy_water_g == 40
    alone = with_preferment(makeup(one_flour()), 0.2, 180.0, 40.0)
    assert alone.asleep == 0, "no other yeast that sleeps"
    assert begin(alone, 24).kept_ml[0] > begin(makeup(one_flour()), 24).kept_ml[0] + 20


def test_flour_and_water_of_preferments_are_counted_once():
    poolish = MixedIn("poolish", (FlourPart("strong_white", 300),), 300, 0.3)
    levain = MixedIn("levain", (FlourPart("strong_white", 50),), 50)
    own = Dough((FlourPart("strong_white", 650),), 350, 20)
    made_ = whole(own, (poolish, levain))
    assert made_.flour_g == pytest.approx(1000) and made_.hydration == pytest.approx(0.7)
    assert made_.levain_yeast == pytest.approx(0.05) and made_.yeast_percent > 0.03
    both = whole(replace(own, levain_g=100), (levain,))
    assert both.levain_yeast == pytest.approx(100 / 750, rel=0.01)


def test_a_preferment_that_stood_longer_has_more_cells_and_less_food():
    states = [
        at_mixing(MixedIn("poolish", (FlourPart("strong_white", 300),), 300, 0.3, (Stretch(hours, 21),)))
        for hours in (2, 8, 14)
    ]
    assert [float(state.bakers_yeast_g[0]) for state in states] == sorted(float(s.bakers_yeast_g[0]) for s in states)
    assert float(states[0].made_ml[0]) < float(states[1].made_ml[0]) < float(states[2].made_ml[0])
    assert all(state.age_h == pytest.approx(hours) for state, hours in zip(states, (2, 8, 14), strict=True))


@pytest.mark.parametrize("yeast", [0.05, 0.2, 0.8])
def test_a_preferment_may_be_used_a_little_before_and_after_it_is_ripe(yeast):
    asked = PrefermentAsked("poolish", (FlourPart("strong_white", 100),), 1.0, (Stretch(24, 20),))
    found = with_yeast(asked, yeast)
    ripe = found.ripe_h.likely
    assert ripe and found.window_h.from_h < ripe < found.window_h.to_h
    assert float(usable_from(trace_of(asked, yeast))[0]) == pytest.approx(found.window_h.from_h, rel=0.02)
    more = with_yeast(asked, 1.5 * yeast)
    assert more.ripe_h.likely < ripe


def test_sugar_is_food_up_to_a_point():
    assert sugar_food_ml(0) == 0 < sugar_food_ml(3) < sugar_food_ml(6) == sugar_food_ml(20)
    lean, sweet = (left(makeup(one_flour(instant_yeast_g=10, sugar_g=g)), 40).made_ml[-1, 0] for g in (0, 50))
    assert sweet - makeup(one_flour(sugar_g=50)).gas_made_ml > lean + 200


def test_how_sure_a_leaven_is_goes_by_what_it_is():
    levain, both = makeup(one_flour(levain_g=200)), makeup(one_flour(levain_g=100, instant_yeast_g=2))
    assert of_leaven(YEASTED) == bought() and of_leaven(levain).sigma == pytest.approx(unknown().sigma)
    assert bought().sigma < of_leaven(both).sigma < unknown().sigma


def test_a_fridge_and_the_heat_make_it_less_sure_and_a_room_does_not():
    levain = makeup(one_flour(levain_g=200))
    factors = activities(unknown())
    at_home, in_fridge, hot = (
        spread(factors, unknown(), levain, c, fridge) for c, fridge in ((22.0, False), (4.0, True), (36.0, False))
    )
    assert (at_home == factors).all()
    for wide in (in_fridge, hot):
        assert wide[-1] > factors[-1] and wide[0] < factors[0] and wide[20] == pytest.approx(factors[20])
    assert (spread(ONE, replace(unknown(), sigma=0.0), levain, 4.0, True) == ONE).all()


RYE = makeup(Dough((FlourPart("whole_rye", 800),), 600, 20, levain_g=400))


@pytest.mark.parametrize("put_together", [joined, end_to_end])
@pytest.mark.parametrize("hours", [0.1, 2.0, 4.9])
def test_a_course_that_is_parted_and_put_together_says_the_same(hours, put_together):
    """Of a rye dough, whose acid shows less: cut short, it is as sour at its end as the whole is then."""
    whole_course = left(RYE, 8)
    first, rest = whole_course.until(hours), whole_course.since(hours)
    again = put_together(first, rest)
    assert first.hours[-1] == pytest.approx(hours) and rest.hours[0] == 0
    assert first.ph[-1, 0] == pytest.approx(rest.ph[0, 0]) and first.ph[-1, 0] > ph_of(first.bacteria)[-1, 0] + 0.05
    for what in ("ph", "rise", "gas_rate"):
        told, known = getattr(again, what)[:, 0], getattr(whole_course, what)[:, 0]
        assert np.interp(whole_course.hours, again.hours, told) == pytest.approx(known, abs=1e-9), what
    assert np.interp(whole_course.hours, again.hours, again.dough_c) == pytest.approx(whole_course.dough_c, abs=1e-9)
