"""Whenever the program is opened, the first plan it shows can be baked; and what is asked for is completed sensibly."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta
from zoneinfo import ZoneInfo

import pytest

from gentle_crust import demo
from gentle_crust.contract.asked import Asked
from gentle_crust.contract.kitchen import Settings
from gentle_crust.core.errors import CraftError
from gentle_crust.kitchen.formulas import FormulaBook
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work
from gentle_crust.store.database import open_store
from gentle_crust.text.render import say
from tests.conftest import SATURDAY
from tests.kitchen.test_keeping import FORMULAS

LISBON = ZoneInfo("Europe/Lisbon")


@pytest.mark.parametrize("key", FORMULAS)
@pytest.mark.parametrize("hour", [0, 6, 10, 14, 18, 21, 23])
def test_the_first_plan_shown_works_at_any_hour(sessions, key, hour):
    now = datetime(2026, 11, 25, hour, 20, tzinfo=LISBON).astimezone(UTC)
    answer = PlanBook(Work(sessions, lambda: now)).preview(Asked(key))
    plan = answer.plan
    assert not plan.problems, [problem.sentence for problem in plan.problems]
    assert plan.begins >= now
    assert plan.proof.target_low <= plan.proof.share <= plan.proof.target_high
    assert plan.ready - now < timedelta(days=2.5)


@pytest.mark.parametrize("month", [1, 4, 7, 10])
def test_the_demo_can_be_filled_in_any_month(tmp_path, month):
    now = datetime(2026, month, 15, 13, 5, tzinfo=UTC)
    sessions = open_store(tmp_path / "data")
    demo.fill(sessions, lambda: now)
    saved = PlanBook(Work(sessions, lambda: now)).open(demo.TOMORROW_PLAN)
    assert not saved.answer.plan.problems
    assert saved.answer.plan.begins >= now and saved.answer.plan.ready - now < timedelta(days=3)


def test_what_is_left_out_comes_from_formula_and_kitchen(book):
    asked = book.preview(Asked("lamplighters-tin")).asked
    formula = book.formulas.get("lamplighters-tin").formula
    assert (asked.pieces, asked.scaling_weight_g, asked.dough_c) == (3, 870, formula.dough_c)
    assert (asked.room_day_c, asked.room_night_c, asked.fridge_c, asked.tap_c) == (23, 19, 4.5, 15)
    assert (asked.sleep_from, asked.sleep_to, asked.zone) == ("22:00", "05:45", "Europe/Lisbon")
    assert (asked.vessel_id, asked.style) == ("tin", "tin_knock_back")


@pytest.mark.parametrize(
    ("key", "vessel", "style"),
    [
        ("tidewater-country", "pot", "cold_shaped"),
        ("night-ferry-rye", "tin", "room_steady"),
        ("market-morning-baguette", "stone", "room_steady"),
        ("harbour-flat", "tray", "poolish_straight"),
        ("saltmarsh-spelt", "pot", "cold_shaped"),
    ],
)
def test_vessel_and_style_suit_the_loaf(book, key, vessel, style):
    asked = book.preview(Asked(key)).asked
    assert (asked.vessel_id, asked.style) == (vessel, style)


def test_what_is_given_is_not_overridden(book):
    given = Asked(
        "tidewater-country", pieces=1, scaling_weight_g=700, ready="2026-11-29T16:00", style="room_steady",
        vessel_id="stone",
        dough_c=26, room_day_c=25, room_night_c=21, fridge_c=5, tap_c=12, sleep_from="23:00", sleep_to="07:00",
        zone="Europe/Lisbon", culture_id="brack",
    )  # fmt: skip
    assert book.preview(given).asked == given


def test_a_plan_in_another_zone_is_by_that_zones_clock(book):
    here = book.preview(Asked("lamplighters-tin", ready="2026-11-29T12:30")).plan
    there = book.preview(Asked("lamplighters-tin", ready="2026-11-29T12:30", zone="America/Halifax")).plan
    assert there.ready - here.ready == timedelta(hours=4)


def test_the_kitchens_change_reaches_the_next_plan(sessions, book):
    settings = KitchenSettings(Work(sessions, lambda: SATURDAY))
    cold = Settings(**{**settings.get().__dict__, "room_day_c": 18.0, "room_night_c": 16.0})
    before = book.preview(Asked("lamplighters-tin", ready="2026-11-29T15:00")).plan
    settings.save(cold)
    after = book.preview(Asked("lamplighters-tin", ready="2026-11-29T15:00")).plan
    assert after.begins < before.begins


def test_a_vessel_that_is_gone_is_named(sessions, book):
    settings = KitchenSettings(Work(sessions, lambda: SATURDAY))
    fewer = tuple(vessel for vessel in settings.get().vessels if vessel.id != "pot")
    settings.save(Settings(**{**settings.get().__dict__, "vessels": fewer}))
    with pytest.raises(CraftError) as refused:
        book.preview(Asked("tidewater-country", ready="2026-11-29T07:30", vessel_id="pot"))
    assert refused.value.field == "vessel_id"
    assert book.preview(Asked("tidewater-country", ready="2026-11-29T07:30")).asked.vessel_id != "pot"


def test_mends_come_in_the_kitchens_own_time(book):
    late = Asked("tidewater-country", ready="2026-11-28T17:00", style="room_steady")
    ready = [mend.change["ready"] for mend in book.mends(late) if "ready" in mend.change]
    assert ready and len(ready[0]) == len("2026-11-28T17:00")
    assert not book.preview(Asked("tidewater-country", ready=ready[0], style="room_steady")).plan.problems


def test_a_rye_that_a_frosty_night_leaves_too_cold_to_mix_is_mended(book):
    cold = Asked("night-ferry-rye", room_day_c=25, room_night_c=5, style="cold_shaped", ready="2026-11-29T18:00")
    assert {problem.code for problem in book.preview(cold).plan.problems} == {"water_hot"}
    change = book.mends(cold)[0].change
    assert not book.preview(replace(cold, **change)).plan.problems


def test_saved_plans_are_listed_with_their_next_step_until_it_has_passed(sessions):
    times = [datetime(2026, 11, day, hour, tzinfo=UTC) for day, hour in ((28, 6), (28, 14), (29, 6), (29, 12))]
    titles = []
    for now in times:
        line = next(
            line for line in PlanBook(Work(sessions, lambda now=now: now)).page().lines if line.id == demo.TOMORROW_PLAN
        )
        titles.append(say(line.next_step.title).sentence if line.next_step else None)
    assert titles == ["Build the levain", "Fold 4 of 4", "Preheat", None]


def test_formulas_keep_their_order_and_their_names(sessions):
    book = FormulaBook(Work(sessions, lambda: SATURDAY))
    assert [kept.id for kept in book.all()] == list(FORMULAS)
    with pytest.raises(CraftError) as refused:
        book.get("none")
    assert refused.value.field == "formula_id"


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"name": " "}, "name"),
        ({"name": "x" * 61}, "name"),
        ({"room_day_c": 50}, "room_day_c"),
        ({"fridge_c": -4}, "fridge_c"),
        ({"altitude_m": 9000}, "altitude_m"),
        ({"sleep_to": "noonish"}, "sleep_to"),
        ({"sleep_from": "08:00", "sleep_to": "23:30"}, "sleep_to"),
        ({"vessels": ()}, "vessels"),
    ],
)
def test_a_kitchen_that_is_none_is_not_saved(sessions, change, field):
    book = KitchenSettings(Work(sessions, lambda: SATURDAY))
    before = book.get()
    with pytest.raises(CraftError) as refused:
        book.save(Settings(**{**before.__dict__, **change}))
    assert refused.value.field == field
    assert book.get() == before


def test_what_mends_one_of_two_problems_is_tried_beside_what_mends_the_other(book):
    """A poolish of last night, and hands in the night of a kitchen that is warm then and cold by day."""
    asked = Asked(
        "market-morning-baguette", room_day_c=6.0, room_night_c=25.0, style="cold_shaped", ready="2026-11-29T16:00"
    )
    plan = book.preview(asked).plan
    before = {problem.code for problem in plan.problems}
    assert {"past", "asleep"} <= before and "late" not in before
    (mend, *_) = book.mends(asked)
    after = {problem.code for problem in book.preview(replace(asked, **mend.change)).plan.problems}
    assert after < before and "past" not in after


def test_where_no_time_is_good_the_least_bad_is_shown(sessions):
    """A proof that is too short whenever it is baked: at least it does not begin in the past, nor in the night."""
    evening = SATURDAY + timedelta(hours=10)
    book = PlanBook(Work(sessions, lambda: evening))
    formula = book.formulas.get("two-tides").formula
    short = {
        "stages": [
            {"kind": "levain"}, {"kind": "preferment"}, {"kind": "soak"}, {"kind": "mix"},
            {"kind": "bulk", "until": {"minutes": 30}}, {"kind": "divide"}, {"kind": "shape"},
            {"kind": "proof", "until": {"minutes": 20}}, {"kind": "bake"}, {"kind": "cool"},
        ]
    }  # fmt: skip
    book.formulas.save("two-tides", replace(formula, method=short))
    codes = {problem.code for problem in book.preview(Asked("two-tides")).plan.problems}
    assert codes and "past" not in codes and "asleep" not in codes
