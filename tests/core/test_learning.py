"""What a kitchen teaches: beliefs that are drawn, that drift and that forget; what single bakes tell; 200 kitchens."""

import os
from dataclasses import replace
from datetime import UTC, datetime
from math import exp, log
from zoneinfo import ZoneInfo

import numpy as np
import pytest

from gentle_crust.core.clock import Clock, Nights, Room, Stand
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.fill import fill
from gentle_crust.core.course.plan import plan
from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.uncertainty import of_leaven, unknown
from gentle_crust.core.learning.belief import Belief, Prior, Tell, believed
from gentle_crust.core.learning.learnt import (
    NOTHING_LEARNT,
    PRIORS,
    LearntHere,
    belief_of,
    note_of,
    paced,
    part_of_day,
    said_of,
    sureness,
)
from gentle_crust.core.learning.tells import (
    FASTER_PER_K,
    RiseRead,
    as_tell,
    bowl_told,
    finger_told,
    fridge_told,
    late_told,
    loaf_told,
    pace_told,
    room_told,
    share_told,
    water_told,
)
from gentle_crust.core.plan.tell import Wanted, tell
from gentle_crust.text.render import say
from tests.core.test_course_filling import question
from tests.stories.kitchens import lived


def asked_for() -> Asked:
    """Two country loaves in one day, wanted by the evening after."""
    stages = [{"kind": "levain"}, {"kind": "mix"}, {"kind": "bulk", "until": "ready"}, {"kind": "divide"},
              {"kind": "shape"}, {"kind": "proof", "until": "ready"}, {"kind": "bake"}, {"kind": "cool"}]  # fmt: skip
    return question(stages=stages, ready="2026-11-29T19:00:00+00:00")


STILL = Prior(0.0, 1.0, 1.0)


def tells(*values, sd=0.0, every=7.0, season=0):
    return [Tell(place * every, value, sd, season) for place, value in enumerate(values)]


# -- beliefs -----------------------------------------------------------------------------------------------------


def test_without_a_bake_what_is_usual_is_believed():
    assert believed([], STILL) == Belief(0.0, 1.0, 0)


@pytest.mark.parametrize("count", [1, 3, 9])
def test_the_mean_is_drawn_towards_the_usual_by_what_it_rests_on(count):
    found = believed(tells(*[0.5] * count), STILL)
    assert found.mean == pytest.approx(0.5 * count / (count + 1))
    assert found.sd == pytest.approx((1 / (count + 1)) ** 0.5) and found.tells == count


def test_a_rough_reading_counts_for_less_than_a_sure_one():
    rough, sure = believed(tells(0.5, sd=2.0), STILL), believed(tells(0.5, sd=0.0), STILL)
    assert rough.mean == pytest.approx(0.5 / 6) and sure.mean == pytest.approx(0.25)


def test_one_bake_that_is_far_off_does_not_throw_a_belief_away():
    calm = believed(tells(*[0.1] * 8), STILL)
    wild = believed(tells(*[0.1] * 8, 9.0), STILL)
    assert wild.mean - calm.mean < 0.35 and not wild.changed


def test_two_in_a_row_that_are_off_say_that_it_has_changed_and_six_unlearn_it():
    prior = PRIORS["levain"]
    before = tells(*[0.0] * 10, sd=0.05)
    after = [Tell(70.0 + 7 * place, -0.45, 0.05) for place in range(6)]
    assert believed([*before, *after[:2]], prior).changed
    steps = [believed([*before, *after[: place + 1]], prior).mean for place in range(6)]
    assert steps == sorted(steps, reverse=True) and steps[-1] == pytest.approx(-0.45, abs=0.07)
    assert abs(steps[2] + 0.45) < 0.15


def test_what_drifts_is_less_sure_the_longer_ago_it_was_told():
    drifting = Prior(0.0, 1.0, 0.1, drift=0.1)
    near, far = (believed(tells(0.3, 0.3), drifting, day=day).sd for day in (8.0, 100.0))
    assert far > 2 * near and believed(tells(0.3, 0.3), STILL, day=100).sd == believed(tells(0.3, 0.3), STILL).sd


def test_seasons_differ_and_share_what_they_have_in_common():
    prior = Prior(0.0, 1.0, 0.05, season_sd=0.3)
    year = [Tell(30.0 * place, -0.2 if place % 4 == 0 else 0.2, 0.02, place % 4) for place in range(24)]
    winter, summer = believed(year, prior, 0), believed(year, prior, 2)
    assert winter.mean == pytest.approx(-0.2, abs=0.05) and summer.mean == pytest.approx(0.2, abs=0.05)
    assert winter.seasons[0] < 0 < winter.seasons[2]
    unseen = believed([Tell(0, 0.4, 0.02, 1)] * 6, prior, 3)
    assert 0.2 < unseen.mean < 0.4 and unseen.sd > believed([Tell(0, 0.4, 0.02, 1)] * 6, prior, 1).sd


# -- what one bake tells -----------------------------------------------------------------------------------------


def rise(**more):
    return RiseRead(**{"hours": 4.0, "due_h": 4.0, "slope": 0.2, "rise": 0.5, "by_eye": False, "warmer_k": 0.0, **more})


def test_a_rise_that_is_due_tells_of_a_usual_pace():
    value, sd = pace_told(rise())
    assert value == 0 and sd == pytest.approx(((0.025 / 0.8) ** 2 + (0.4 * FASTER_PER_K) ** 2) ** 0.5)


def test_a_dough_that_is_late_for_its_cold_tells_nothing_of_its_leaven():
    late = pace_told(rise(hours=4.4, warmer_k=-1.0))
    assert late[0] == pytest.approx(log(4 / 4.4) + FASTER_PER_K, abs=1e-9) and abs(late[0]) < 0.02
    assert pace_told(rise(hours=4.4))[0] == pytest.approx(log(4 / 4.4))


def test_an_eye_is_less_sure_than_a_line_and_a_dough_without_thermometer_less_still():
    line, eye, bare = (
        pace_told(rise(**more))[1] for more in ({}, {"by_eye": True}, {"by_eye": True, "warmer_k": None})
    )
    assert line < eye < bare


@pytest.mark.parametrize(
    "more", [{"rise": 0.05}, {"hours": 0.3}, {"due_h": 0.0}, {"slope": 0.0}, {"hours": 20.0, "due_h": 4.0}]
)
def test_what_tells_nothing_is_left_out(more):
    assert pace_told(rise(**more)) is None


def test_a_dough_tells_of_its_room_as_far_as_it_has_come():
    value, sd = room_told(4.0, 22.0, 23.0)
    assert value == pytest.approx(-1 / (1 - exp(-4 / 2.2))) and sd < 1
    assert room_told(0.5, 22.0, 23.0) is None
    began = room_told(4.0, 23.0 + exp(-4 / 2.2), 23.0, began_warmer_k=1.0)
    assert began[0] == pytest.approx(0.0, abs=1e-9), "a dough that began warmer tells nothing of a room"
    assert room_told(4.0, 35.0, 22.0) is None


def test_a_fridge_is_known_once_the_dough_is_as_cold():
    assert fridge_told(9.0, 6.2, 4.0) == (pytest.approx(2.2), pytest.approx(0.48))
    assert fridge_told(2.0, 12.0, 4.0) is None and fridge_told(9.0, 20.0, 4.0) is None


def test_a_finger_is_told_by_what_it_called_ready_only():
    assert finger_told("ready", "under")[0] < finger_told("ready", "right")[0] == 0 < finger_told("ready", "over")[0]
    assert finger_told("early", "under") is None and finger_told("ready", "") is None


def test_losses_are_shares_and_slips_of_the_pen_are_left_out():
    assert share_told(1000, 985, 0.08, 0.004) == (pytest.approx(0.015), 0.004)
    assert share_told(1000, 600, 0.08, 0.004) is None and share_told(1000, 1100, 0.08, 0.004) is None
    with pytest.raises(CraftError):
        share_told(0, 1, 0.1, 0.01)


def test_what_a_forecast_already_knew_is_added_to_what_was_seen_beside_it():
    assert as_tell((0.1, 0.05), 3.0, 2, "b", known=-0.3) == Tell(3.0, pytest.approx(-0.2), 0.05, 2, "b")


def test_scales_and_the_clock_tell_and_slips_of_the_pen_do_not():
    assert bowl_told(1800, 1782)[0] == pytest.approx(0.01) and bowl_told(1800, 900) is None
    assert loaf_told(880, 770)[0] == pytest.approx(0.125) and loaf_told(880, 400) is None
    assert water_told(-20, 1000)[0] == pytest.approx(-2) and water_told(20, 0) is None
    assert late_told(12.34) == (12.3, 5.0) and late_told(600) is None


# -- in words, and in forecasts ----------------------------------------------------------------------------------


def test_what_a_culture_does_in_doughs_is_said_beside_its_jar():
    slow = Belief(log(0.76), 0.1, 5, year=log(0.76))
    assert str(say(said_of("levain", slow, by_jar=True))) == "raises doughs 24 % slower than its jar lets expect"
    note = str(say(note_of(LearntHere(pace=0.76, sigma=0.15, bakes=5), by_jar=True)))
    assert note.endswith("the culture raises doughs 24 % slower than its jar lets expect.")


@pytest.mark.parametrize(
    ("what", "mean", "says"),
    [
        ("levain", log(0.88), "works 12 % slower than usual"), ("levain", 0.0, "works as fast as usual"),
        ("yeast", log(1.1), "works 10 % faster than usual"), ("room", -1.9, "is 1.9 K cooler than you say"),
        ("fridge", 2.0, "is 2 K warmer than you say"), ("bowl_loss", 0.014, "keep 1.4 % of the dough"),
        ("bake_loss", 0.133, "loses 13.3 % of its weight in the oven"),
        ("late", 12.0, "begins 12 min later than planned"),
        ("eye", 0.08, "reads a rise 8 points too high"), ("water", 2.5, "takes 2.5 points more water"),
        ("finger", -0.06, "calls a loaf ready 6 points of its greatest volume too early"),
    ],
)  # fmt: skip
def test_every_lesson_is_said_in_a_bakers_words(what, mean, says):
    assert says in str(say(said_of(what, Belief(mean, 0.1, 5, year=mean))))


def test_a_room_is_said_by_its_hours_where_they_differ():
    told = str(say(said_of("room", Belief(-1.0, 0.3, 9, (0.9, -1.0, -0.2, 0.3), -1.0))))
    assert "by its hours: the same at night, 2 K cooler in the morning, 1.2 K cooler in the afternoon" in told
    assert [part_of_day(hour) for hour in (0, 5.9, 6, 13, 18, 23.9, 24)] == [0, 0, 1, 2, 3, 3, 0]


def test_a_room_goes_by_its_hours_and_a_place_elsewhere_does_not():
    origin = datetime(2026, 11, 28, tzinfo=UTC)
    clock = Clock(origin, ZoneInfo("UTC"), Nights(23, 6), Room(22, 22, 4, (-2.0, 0.0, 1.0, 0.0)))
    warm = [float(each) for each in clock.room_c(np.array([3.0, 6.0, 9.0, 12.0, 15.0, 21.0, 24.0]))]
    assert warm == pytest.approx([20, 21, 22, 22.5, 23, 22, 21])
    stands = replace(clock, stands=(Stand(origin, None, 28.0),))
    assert float(stands.room_c(np.array([3.0]))[0]) == 28 and stands.kitchen_at(3.0) == pytest.approx(20)
    cooler = replace(asked_for(), kitchen=replace(asked_for().kitchen, room=Room(22, 19, 4, (-3.0,) * 4)))
    begins = [tell(plan(each), Wanted(None)).times.mix for each in (asked_for(), cooler)]
    assert begins[1] < begins[0], "in a cooler room a dough is begun earlier"


def test_how_much_is_known_grows_with_bakes():
    few, many = (sureness("levain", belief_of("levain", tells(*[0.2] * count, sd=0.05))) for count in (1, 12))
    assert 0 < few < many < 1 and sureness("levain", belief_of("levain", [])) == 0


def test_a_leaven_known_to_be_slow_is_planned_slower_and_more_surely():
    usual = asked_for()
    slow = replace(usual, learnt=LearntHere(0.8, 0.16, 8))
    assert fill(slow)[0].batch.makeup.liveliness == pytest.approx(0.8 * fill(usual)[0].batch.makeup.liveliness)
    assert slow.belief.sigma == 0.16 < usual.belief.sigma == of_leaven(usual.makeup).sigma
    assert replace(usual, learnt=LearntHere(1.0, 9.0, 1)).belief.sigma == usual.belief.sigma
    begins = [tell(plan(each), Wanted(None)).times.mix for each in (usual, slow)]
    assert begins[1] < begins[0], "what is slow is begun earlier"


def test_what_stays_in_the_bowl_is_weighed_for():
    usual = asked_for()
    sticky = replace(usual, learnt=LearntHere(bowl_loss=0.03))
    assert fill(sticky)[0].batch.weighed.dough_g == pytest.approx(fill(usual)[0].batch.weighed.dough_g * 0.99 / 0.97)


def test_a_plan_says_what_moved_it_and_nothing_where_nothing_did():
    assert not note_of(NOTHING_LEARNT) and not note_of(LearntHere(1.01, 0.2, 3, (0.1, 0.1, 0.1, 0.1)))
    told = str(say(note_of(LearntHere(0.86, 0.2, 6, (-0.3, -1.6, -1.2, -1.0), 1.2))))
    assert "14 % slower" in told and "room is up to 1.6 K cooler" in told and "fridge is 1.2 K warmer" in told
    notes = tell(plan(replace(asked_for(), learnt=LearntHere(0.8, 0.16, 8))), Wanted(None)).notes
    assert any("20 % slower" in str(say(each)) for each in notes)


def test_nothing_told_moves_nothing():
    assert paced("levain", [], 0, 0.0) == (1.0, None, 0)
    assert isinstance(asked_for(), Asked) and asked_for().learnt == NOTHING_LEARNT and not NOTHING_LEARNT.any


# -- kitchens lived in -------------------------------------------------------------------------------------------

KITCHENS = 200 if os.environ.get("GENTLE_CRUST_PROVE") else 60


def test_kitchens_are_learnt_within_ten_bakes_and_unlearnt_within_six():
    """Bake eleven against the first; bands; before bake thirteen each leaven changes for good by half as much again."""
    found = [lived(1000 + seed, 19, jump_at=12) for seed in range(KITCHENS)]
    found = [each for each in found if len(each) == 19]
    miss = np.array([[abs(one.miss_min) for one in each] for each in found])
    inside = np.array([[one.inside for one in each] for each in found])
    first, learnt = float(np.median(miss[:, 0])), float(np.median(miss[:, 10:12]))
    bands, jumped, again = inside[:, 3:12].mean(), float(np.median(miss[:, 12])), float(np.median(miss[:, 18]))
    print(
        f"{len(found)} kitchens: median miss {first:.0f} min at first, {learnt:.0f} after ten bakes "
        f"({learnt / first:.0%}); "
        f"inside the band {inside[:, 0].mean():.0%} at first, {bands:.0%} later; after a change {jumped:.0f}, "
        f"six bakes on {again:.0f}"
    )
    assert len(found) >= 0.9 * KITCHENS
    assert learnt <= 0.6 * first
    few = 0.0 if KITCHENS >= 200 else 0.06
    assert 0.72 <= bands <= 0.88 and 0.72 - few <= inside[:, 18].mean() <= 0.92
    assert jumped > 2 * learnt and again <= 1.35 * learnt


@pytest.mark.parametrize("sd", [0.046, 0.08, 0.127], ids=["box and thermometer", "eye and thermometer", "eye"])
def test_three_bakes_make_a_culture_known_but_not_certain(sd):
    """From 0.40 to between 0.10 and 0.15 (ln of its pace): bakes differ, however often one has watched them."""
    told = [Tell(7.0 * bake, 0.1, sd) for bake in range(12)]
    likely, sigma, _ = paced("levain", told[:3], 0, 21.0)
    assert 0.10 <= sigma <= 0.152 and likely == pytest.approx(exp(0.1), rel=0.02)
    assert 0.10 <= paced("levain", told, 0, 84.0)[1] < sigma < unknown().sigma / 2.5


def test_without_learning_nothing_gets_better():
    found = [lived(seed, 8, learns=False) for seed in range(24)]
    miss = np.array([[abs(one.miss_min) for one in each] for each in found if len(each) == 8])
    assert float(np.median(miss[:, 5:])) > 0.6 * float(np.median(miss[:, 0]))
