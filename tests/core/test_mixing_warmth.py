"""What a kitchen, minutes, speed and a small batch do to a dough's warmth; ice, hot water; how warm it should be."""

from dataclasses import replace
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.dough import Dough, FlourPart
from gentle_crust.core.formula.model import FlourShare, Formula, Preferment
from gentle_crust.core.water.advice import dough_advice
from gentle_crust.core.water.balance import dough_from, friction_from, stirred_from, water_for
from gentle_crust.core.water.mixing import FRICTION_K, Work, amount_of
from gentle_crust.core.water.plan import FREEZES_C, Bowl, Pour, dough_from_waters, mix_of_dough, plan_water
from gentle_crust.core.water.taps import Taps
from gentle_crust.text.render import say


def yeasted(flour_g=1000.0, water=0.68):
    return Dough((FlourPart("strong_white", flour_g),), water * flour_g, salt_g=0.02 * flour_g, instant_yeast_g=5)


def mix_at(flour_c, room_c, work, dough=None):
    return mix_of_dough(dough or yeasted(), flour_c, room_c, room_c, work)


def codes(found):
    return [warning.code for warning in found.warnings]


def test_a_cold_kitchen_takes_heat_while_hands_knead_and_a_hot_one_gives_it():
    """Flour at 15 C, a kilo, twelve minutes by hand, 25 C wanted: the bare balance would say about 26 C."""
    cold = water_for(25, mix_at(15, 16, Work("hand_kneading", 12)))
    assert 28 <= cold <= 34
    hot = water_for(25, mix_at(15, 32, Work("hand_kneading", 12)))
    assert 20 <= hot <= 24.5
    at_ease = water_for(25, mix_at(15, 25, Work("hand_kneading", 12)))
    assert at_ease == pytest.approx(26, abs=1.0)


@pytest.mark.parametrize("mixing", FRICTION_K)
def test_longer_kneading_in_a_warm_kitchen_asks_for_colder_water(mixing):
    asked = [water_for(25, mix_at(22, 27, Work(mixing, minutes))) for minutes in (0, 4, 8, 16, 30)]
    assert all(later < sooner for sooner, later in pairwise(asked))


@pytest.mark.parametrize("mixing", ["planetary_mixer", "spiral_mixer", "processor"])
def test_a_motor_at_speed_warms_more_and_hands_have_no_speed(mixing):
    slow, usual, fast = (water_for(25, mix_at(21, 21, Work(mixing, 8, speed))) for speed in ("slow", "usual", "fast"))
    assert slow > usual > fast
    assert amount_of("hand_kneading", 12, "fast") == amount_of("hand_kneading", 12, "usual") == 1


def test_a_small_batch_loses_more_to_bench_and_air_than_a_large_one():
    warmed = []
    for flour_g in (200, 1000, 8000):
        mix = mix_at(18, 18, Work("planetary_mixer"), yeasted(flour_g))
        warmed.append(dough_from(30, mix) - stirred_from(30, mix))
    assert warmed == sorted(warmed) and warmed[2] - warmed[0] > 0.5


def test_a_small_batch_in_a_big_cold_bowl_is_colder_still():
    mix = mix_at(20, 18, Work("planetary_mixer"), yeasted(300))
    bowl = replace(mix, bowl=Bowl("steel", 1800, 18).part())
    assert dough_from(30, bowl) < dough_from(30, mix) - 1


@given(
    flour_c=st.floats(2, 35), room_c=st.floats(2, 38), target=st.floats(18, 30), minutes=st.floats(0, 45),
    mixing=st.sampled_from(sorted(FRICTION_K)), grams=st.floats(150, 20_000),
)  # fmt: skip
def test_water_dough_and_friction_are_each_others_inverse(flour_c, room_c, target, minutes, mixing, grams):
    mix = mix_at(flour_c, room_c, Work(mixing, minutes), yeasted(grams))
    asked = water_for(target, mix)
    assert dough_from(asked, mix) == pytest.approx(target, abs=1e-6)
    assert friction_from(target, asked, mix) == pytest.approx(mix.mixed.friction_k, abs=1e-6)


@pytest.mark.parametrize(
    ("work", "field"),
    [(("spoon", 90), "mixing_min"), (("spoon", -1), "mixing_min"), (("whisk", 5), "mixing"),
     (("spiral_mixer", 5, "mad"), "speed")],
)  # fmt: skip
def test_mixing_that_is_none_names_its_field(work, field):
    with pytest.raises(CraftError) as refused:
        amount_of(*work)
    assert refused.value.field == field and say(refused.value.what).remedy


@pytest.mark.parametrize("ice_g", [0, 100, 340, 680])
def test_no_dough_is_shown_colder_than_it_freezes_and_ice_that_stays_is_weighed(ice_g):
    mix = mix_at(4, 6, Work("spoon"))
    found = dough_from_waters(mix, (Pour(max(680 - ice_g, 0.001), 3), Pour(max(ice_g, 0.001), -18, ice=True)))
    assert found.dough_c >= FREEZES_C >= -2
    assert ("ice_stays" in codes(found)) == (found.ice_left_g > 0) == (ice_g >= 100)
    assert 0 <= found.ice_left_g <= ice_g


def test_the_more_ice_the_more_of_it_stays_and_a_warm_flour_melts_all():
    def left(flour_c, ice_g):
        mix = mix_at(flour_c, flour_c, Work("spoon"))
        return dough_from_waters(mix, (Pour(680 - ice_g, 3), Pour(ice_g, -18, ice=True))).ice_left_g

    assert 0 < left(4, 100) < left(4, 200) < left(4, 400)
    assert left(30, 100) == 0 and left(30, 500) < left(4, 500)


@pytest.mark.parametrize(
    ("dough", "water_c", "code"),
    [
        (yeasted(), 46, "yeast_dies"), (yeasted(), 42, None), (yeasted(), 12, "yeast_sleepy"),
        (Dough((FlourPart("strong_white", 900),), 630, salt_g=18, levain_g=180), 40, "levain_suffers"),
        (Dough((FlourPart("strong_white", 900),), 630, salt_g=18, levain_g=180), 30, None),
    ],
)  # fmt: skip
def test_waters_that_were_poured_are_warned_of_as_water_asked_for_is(dough, water_c, code):
    found = dough_from_waters(mix_at(20, 20, Work("spoon"), dough), (Pour(dough.water_g, water_c),))
    assert codes(found) == ([code] if code else [])


def test_a_dough_that_ice_cannot_cool_enough_is_said_to_be_too_warm_with_the_remedy():
    answer = plan_water(mix_at(34, 36, Work("spiral_mixer", 20, "fast")), 24, Taps(26))
    assert answer.dough_c > 25 and "chill_flour" in codes(answer)
    told = next(warning for warning in answer.warnings if warning.code == "chill_flour")
    assert "fridge" in str(say(told.text))


CULTURE = Preferment("levain", "strong_white", 10, 100)
WHITE = Formula("Loaf", (FlourShare("strong_white", 100),), 72, 2, "boule", preferments=(CULTURE,))
RYE = Formula("Rye", (FlourShare("whole_rye", 100),), 80, 2, "pan_loaf",
              preferments=(replace(CULTURE, flour_kind="whole_rye", flour_percent=30),))  # fmt: skip
YEASTED = Formula("Tin", (FlourShare("strong_white", 100),), 64, 2, "pan_loaf", (), (), 1.0)


@pytest.mark.parametrize(
    ("formula", "usual", "quickest"), [(WHITE, (23, 27), 28), (RYE, (26, 30), 31), (YEASTED, (23, 27), 29)]
)
def test_how_warm_a_dough_should_be_goes_by_its_flour_its_leaven_and_the_pace(formula, usual, quickest):
    slow, middle, quick = dough_advice(formula)
    assert (middle.low_c, middle.high_c) == usual and quick.high_c == quickest and slow.high_c <= middle.low_c
    assert all(one.low_c < one.aim_c < one.high_c for one in (slow, middle, quick))
    hours = [one.bulk_h if one.bulk_h is not None else 24 for one in (slow, middle, quick)]
    assert hours[0] > hours[1] > hours[2] > 0.3, "the warmer, the sooner"
    assert len({str(say(one.why)) for one in (slow, middle, quick)}) == 3


def test_cool_and_slow_is_between_twenty_and_twenty_two_for_wheat():
    slow = dough_advice(WHITE)[0]
    assert (slow.low_c, slow.high_c) == (20, 22)
