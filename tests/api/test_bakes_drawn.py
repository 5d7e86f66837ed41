"""Bakes in a list are drawn: the dough's way on the clock of what was done, and the loaf as it was judged."""

from datetime import datetime, timedelta

import pytest

from gentle_crust.api.app import create_app
from gentle_crust.kitchen.beside import catch_up
from gentle_crust.kitchen.work import Work
from gentle_crust.store.models import BakeRow, PlanRow
from tests.api.conftest import PLAN
from tests.api.test_loaf_sheet import judge

MIN = timedelta(minutes=1)


@pytest.fixture
def baked(cut):
    return cut


def line(day, key=PLAN):
    return next(each for each in day.client.get("/api/bakes").json["bakes"] if each["id"] == key)


def at(text):
    return datetime.fromisoformat(text)


def test_a_bake_is_drawn_from_its_first_dough_to_its_loaves_out(baked):
    found = line(baked)
    drawn = found["drawn"]
    assert drawn["end"] == found["out"] and at(drawn["start"]) < at(drawn["load"]) < at(drawn["end"])
    kinds = [part["kind"] for part in drawn["parts"]]
    assert kinds.index("levain") < kinds.index("bulk") < kinds.index("proof")
    for part in drawn["parts"]:
        minutes = [point[0] for point in part["points"]]
        assert minutes == sorted(minutes) and len(minutes) <= 9 and minutes[0] >= 0
    assert min(part["points"][0][0] for part in drawn["parts"]) == 0


def test_what_was_done_late_is_drawn_late(day):
    day.mixed()
    planned = at(day.step("divide-1")["at"])
    for _ in range(60):
        dough = day.dough()
        if dough["over"]:
            break
        step = next(each for each in dough["steps"] if each["key"] == dough["next"])
        late = 100 * MIN if step["key"] == "divide-1" else 0 * MIN
        day.now = max(day.now, at(step["at"]) + step["minutes"] * MIN + late)
        day.done(step["key"])
    drawn = line(day)["drawn"]
    bulk = next(part for part in drawn["parts"] if part["kind"] == "bulk")
    ends = at(drawn["start"]) + bulk["points"][-1][0] * MIN
    assert ends > planned + 60 * MIN
    assert abs(at(drawn["load"]) - at(drawn["end"])) < timedelta(hours=2)


def test_a_bake_that_is_not_over_has_no_drawing_and_no_loaf(day):
    day.mixed()
    found = line(day)
    assert found["drawn"] is None and found["loaf"] is None


def test_the_loaf_of_its_day_is_in_the_list_and_what_is_said_later_is_not(baked):
    judge(baked, {"form": "domed", "scores": "ear", "openness": "open", "top_colour": 60, "liked": 4})
    baked.now += timedelta(days=2)
    judge(baked, {"day": 2, "keeps": "firm", "liked": 1})
    loaf = line(baked)["loaf"]
    assert (loaf["form"], loaf["scores"], loaf["openness"], loaf["top_colour"], loaf["liked"]) == (
        "domed", "ear", "open", 60, 4,
    )  # fmt: skip


def test_a_sheet_that_is_taken_back_leaves_the_list(baked):
    judge(baked, {"liked": 4}, key="hasty")
    assert line(baked)["loaf"]["liked"] == 4
    baked.press("bake_withdrawn", {"event": "hasty"})
    assert line(baked)["loaf"] is None


def test_bakes_of_an_older_program_are_drawn_when_it_starts(baked):
    before = line(baked)["drawn"]
    with baked.sessions() as session:
        row = session.get_one(BakeRow, PLAN)
        row.drawn, row.rule = None, 2
        session.commit()
    assert line(baked)["drawn"] is None
    catch_up(Work(baked.sessions, lambda: baked.now))
    baked.client = create_app(baked.sessions, lambda: baked.now).test_client()
    assert line(baked)["drawn"] == before


def test_a_plan_whose_drawing_cannot_be_read_costs_the_drawing_and_nothing_else(baked):
    with baked.sessions() as session:
        plan = session.get_one(PlanRow, PLAN)
        plan.shown = {**plan.shown, "ribbon": {"parts": [{"kind": "bulk", "points": [{"at": "never"}]}]}}
        session.get_one(BakeRow, PLAN).rule = 2
        session.commit()
    catch_up(Work(baked.sessions, lambda: baked.now))
    found = line(baked)
    assert found["drawn"] is None and found["state"] in ("baked", "on_bench")


@pytest.mark.many
@pytest.mark.parametrize(
    ("hours", "said", "asks"),
    [
        (0.5, None, ""), (3, None, "loaf"), (30, None, "loaf"), (45, None, ""), (3, 0, ""), (45, 0, "keeping"),
        (70, 1, "keeping"), (70, 2, ""), (100, 0, ""),
    ],
)  # fmt: skip
def test_it_is_asked_how_the_loaf_is_and_later_how_it_keeps(baked, hours, said, asks):
    out = at(line(baked)["out"])
    if said is not None:
        judge(baked, {"liked": 4})
    if said:
        baked.now = out + timedelta(days=said)
        judge(baked, {"day": said, "keeps": "fresh"})
    baked.press("bake_finished")
    baked.now = out + timedelta(hours=hours)
    asking = baked.client.get("/api/bakes/asking").json["bakes"]
    assert [each["asks"] for each in asking if each["id"] == PLAN] == ([asks] if asks else [])
