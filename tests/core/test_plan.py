"""Plans: every clock time is the forecast's, the oven is met inside the proof's target, and trouble is said."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta
from zoneinfo import ZoneInfo

import pytest

from gentle_crust.core.clock import Clock, Nights, Room, instant, zone_of
from gentle_crust.core.course.mends import alternatives
from gentle_crust.core.course.plan import plan
from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.dough import Dough, FlourPart, makeup
from gentle_crust.core.fermentation.forecast import Stretch, forecast
from gentle_crust.core.formula.edit import with_yeast_beside
from gentle_crust.core.formula.model import FlourShare, Formula, Preferment
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.text.render import say
from tests.plans import Wish, kitchen, make_plan, question, said

LISBON = ZoneInfo("Europe/Lisbon")
NOW = datetime(2026, 11, 28, 6, 30, tzinfo=LISBON)
POTS = Vessel("pot", "lidded_cast_iron", "Iron pots", 2)
LOAF = Formula(
    "Test loaf",
    (FlourShare("strong_white", 85), FlourShare("whole_wheat", 15)),
    74,
    2,
    "boule",
    preferments=(Preferment("levain", "strong_white", 10, 100),),
)
KITCHEN = kitchen("Europe/Lisbon", Room(23, 19, 4.5), Nights(22, 5.75), Oven("electric", 250))


def at(day: int, hour: int, minute: int = 0) -> datetime:
    return datetime(2026, 11, day, hour, minute, tzinfo=LISBON).astimezone(UTC)


def wish(**changes) -> Wish:
    values = {
        "formula": LOAF,
        "pieces": 2,
        "scaling_weight_g": 850,
        "ready": at(29, 7, 30),
        "proof": "cold",
        "vessel": POTS,
        "dough_c": 25,
    }
    return Wish(**(values | changes))


def steps(plan) -> dict[str, datetime]:
    return {step.kind: step.at for step in reversed(plan.steps)}


def test_cold_plan_lets_the_baker_sleep_and_meets_its_target():
    plan = make_plan(wish(), KITCHEN, NOW)
    assert not plan.problems and plan.out == at(29, 7, 30)
    assert plan.proof.target_low <= plan.proof.share <= plan.proof.target_high
    assert plan.proof.share_low < plan.proof.share < plan.proof.share_high
    for step in plan.steps:
        local = step.at.astimezone(LISBON)
        assert step.minutes == 0 or ((local.hour, local.minute) >= (5, 45) and local.hour < 22), step


def test_room_plan_bulk_agrees_with_the_plain_forecast():
    """Bulk from the plan against the forecast command's own way, without folds, at the day's temperature."""
    plan = make_plan(wish(ready=at(28, 19, 30), proof="room"), KITCHEN, NOW)
    assert not plan.problems
    found = steps(plan)
    bulk_h = (found["divide"] - found["mix"]).total_seconds() / 3600
    grams = {line.role + say(line.name).sentence: line.g for line in plan.weigh[-1].lines}
    dough = Dough(
        (FlourPart("strong_white", grams["flourStrong white"]), FlourPart("whole_wheat", grams["flourWhole wheat"])),
        grams["waterWater"],
        grams["saltSalt"],
        levain_g=grams["levainLevain, ripe"],
    )
    plain = forecast(makeup(dough), 25, (Stretch(12, 23, "covered_bowl"),), (plan.proof.bulk_rise,)).targets[0]
    assert plain.hours.likely == pytest.approx(bulk_h, abs=0.4)


def test_cooler_kitchen_makes_everything_earlier():
    warm, cool = (
        make_plan(wish(ready=at(29, 19), proof="room"), replace(KITCHEN, room=Room(day, day - 3, 4)), NOW)
        for day in (25, 20)
    )
    assert steps(cool)["mix"] < steps(warm)["mix"] - timedelta(hours=1)


def test_hungry_culture_is_fed_first_and_its_levain_is_ripe_when_mixed():
    plan = make_plan(wish(lively=False), KITCHEN, NOW)
    found = steps(plan)
    assert found["feed"] < found["levain"] < found["autolyse"] < found["mix"]
    span = next(step.span for step in plan.steps if step.kind == "levain")
    assert span.low < found["mix"] < span.high
    assert abs(span.likely - found["mix"]) < timedelta(minutes=15)


def test_weigh_lists_add_up_and_levain_is_enough():
    plan = make_plan(wish(), KITCHEN, NOW)
    for stage in plan.weigh:
        assert stage.g == pytest.approx(sum(line.g for line in stage.lines), abs=0.01)
    levain, dough = plan.weigh
    assert levain.g > next(line.g for line in dough.lines if line.role == "levain")
    assert dough.g * 0.99 == pytest.approx(1700, abs=3)
    assert plan.water.tap_g + plan.water.kettle_g == pytest.approx(
        next(line.g for line in dough.lines if line.role == "water"), abs=0.6
    )


def test_ready_to_cut_counts_the_cooling():
    out, cut = (make_plan(wish(means_cut=means), KITCHEN, NOW) for means in (False, True))
    assert out.out - cut.out == timedelta(minutes=90)


def test_rye_cools_for_a_day():
    rye = replace(
        LOAF,
        flours=(FlourShare("whole_rye", 70), FlourShare("strong_white", 30)),
        hydration_percent=84,
        shape="pan_loaf",
        preferments=(Preferment("levain", "whole_rye", 25, 100),),
    )
    plan = make_plan(
        wish(formula=rye, proof="room", vessel=Vessel("t", "tin", "Tin", 2), ready=at(29, 15)), KITCHEN, NOW
    )
    assert steps(plan)["cut"] - plan.out == timedelta(hours=24)
    assert not any(step.kind == "fold" for step in plan.steps)


def test_too_late_says_by_how_much_and_each_mend_really_mends():
    late = question(wish(ready=at(28, 17), proof="room"), KITCHEN, NOW)
    made = plan(late)
    past = next(problem for problem in made.problems if problem.code == "past")
    assert past.minutes == pytest.approx(60 * (0 - min(step.at for step in made.steps)), abs=0.2)
    found = alternatives(made, 4)
    assert 2 <= len(found) <= 4
    ready = next(mend.change["ready"] for mend in found if "ready" in mend.change)
    assert not make_plan(wish(ready=datetime.fromisoformat(ready), proof="room"), KITCHEN, NOW).problems
    pinch = next((dict(mend.leaven) for mend in found if mend.leaven), {})
    if "yeast_supplement_percent" in pinch:
        formula = with_yeast_beside(LOAF, pinch["yeast_supplement_percent"])
        assert not make_plan(wish(ready=at(28, 17), proof="room", formula=formula), KITCHEN, NOW).problems


def test_steps_in_the_night_are_named():
    plan = make_plan(wish(ready=at(29, 4), proof="room"), KITCHEN, NOW)
    asleep = next(problem for problem in plan.problems if problem.code == "asleep")
    assert "While you sleep: " in said(asleep.sentence) and asleep.minutes > 0


def test_cool_oven_is_reported_and_baked_longer():
    weak = replace(KITCHEN, oven=Oven("electric", 205))
    plan = make_plan(wish(), weak, NOW)
    assert any(problem.code == "oven" for problem in plan.problems)
    assert all(stage.setpoint_c <= 205 for stage in plan.bake.stages)
    assert plan.bake.minutes > make_plan(wish(), KITCHEN, NOW).bake.minutes


def test_cautions_stand_at_their_step_once():
    plan = make_plan(wish(lively=False), KITCHEN, NOW)
    by_kind = {step.kind: [caution.code for caution in step.cautions] for step in plan.steps}
    assert "lid_steam" in by_kind["uncover"] and "hot_iron" in by_kind["load"] and "hot_iron" in by_kind["out"]
    assert sum(codes.count("jar") for codes in by_kind.values()) == 1


def test_the_hour_that_spring_leaves_out_is_refused_and_autumn_takes_the_first():
    with pytest.raises(CraftError) as refused:
        instant(datetime(2027, 3, 28, 1, 30), LISBON, "ready")
    assert refused.value.field == "ready" and "02:30" in say(refused.value.what).remedy
    assert instant(datetime(2026, 10, 25, 1, 30), LISBON, "ready") == datetime(2026, 10, 25, 0, 30, tzinfo=UTC)


def test_a_plan_over_the_change_of_clocks_keeps_its_hours():
    """The night in which clocks go back is an hour longer: the cold proof is too, by the wall clock's count."""
    now = datetime(2026, 10, 24, 6, 30, tzinfo=LISBON)
    ready = datetime(2026, 10, 25, 7, 30, tzinfo=LISBON).astimezone(UTC)
    plan = make_plan(wish(ready=ready), KITCHEN, now)
    assert not plan.problems
    assert (plan.out - steps(plan)["chill"]).total_seconds() / 3600 > 9
    assert steps(plan)["preheat"].astimezone(LISBON).hour >= 5


def test_unknown_zone_and_far_away_times_are_refused():
    with pytest.raises(CraftError) as refused:
        zone_of("Mars/Olympus")
    assert refused.value.field == "zone"
    for ready in (at(28, 7) - timedelta(days=11), at(28, 7) + timedelta(days=20)):
        with pytest.raises(CraftError) as refused:
            make_plan(wish(ready=ready), KITCHEN, NOW)
        assert refused.value.field == "ready"


def test_the_room_cools_at_night_and_warms_by_day():
    clock = Clock(at(29, 12), LISBON, Nights(22, 6), Room(23, 17, 4))
    noon, small_hours, early = clock.room_at(0), clock.room_at(-7), clock.room_at(-5.5)
    assert noon == pytest.approx(23, abs=0.2) and small_hours == pytest.approx(17, abs=0.1)
    assert 17 < early < 23
