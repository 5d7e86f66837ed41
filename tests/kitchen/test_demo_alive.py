"""The demo opens alive at any hour: three doughs on the bench, nothing late, and a plan that is still to begin."""

from datetime import UTC, datetime, timedelta

import pytest

from gentle_crust import demo
from gentle_crust.demo.doughs import PREFIX, begin_doughs
from gentle_crust.kitchen.bakes import BakesBook
from gentle_crust.kitchen.bench import BenchBook
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.presses import Press, Presses
from gentle_crust.kitchen.work import Work
from gentle_crust.store.database import open_store

HOURS = ((0, 5), (5, 50), (8, 0), (12, 31), (17, 45), (21, 59))


def opened(folder, now):
    sessions = open_store(folder)
    demo.fill(sessions, lambda: now)
    demo.plan_ahead(sessions, lambda: now)
    begin_doughs(sessions, lambda: now)
    return sessions, {dough.id.split("-")[1]: dough for dough in BenchBook(Work(sessions, lambda: now)).view().doughs}


@pytest.mark.many
@pytest.mark.parametrize(
    "now",
    [datetime(2026, 11, 28, hour, minute, tzinfo=UTC) for hour, minute in HOURS]
    + [datetime(2027, 3, 28, 0, 40, tzinfo=UTC), datetime(2026, 7, 3, 14, 15, tzinfo=UTC)],
    ids=lambda now: f"{now:%m%d-%H%M}",
)  # fmt: skip
def test_three_doughs_and_nothing_late(tmp_path, now):
    sessions, doughs = opened(tmp_path / "data", now)
    assert set(doughs) == {"bulk", "cold", "oven"}
    assert all(not [step for step in dough.live.steps if step.state == "due"] for dough in doughs.values())
    bulk, cold, oven = doughs["bulk"], doughs["cold"], doughs["oven"]
    assert bulk.live.standing.stage == "bulk" and [each.kind for each in bulk.story.readings] == ["rise_eye"]
    assert 0 < bulk.story.readings[0].value < 1.2
    assert cold.live.standing.stage == "final_proof" and cold.live.standing.dough_c < 16
    assert "chill-1" in {deed.key for deed in cold.story.happened.deeds}
    assert not {"divide-1", "shape-1"} & {deed.key for deed in bulk.story.happened.deeds}
    done = {deed.key for deed in oven.story.happened.deeds}
    assert "preheat-1" in done and oven.live.next.key == "score-1"
    assert timedelta(0) < oven.live.next.at - now < timedelta(minutes=30)
    planned = [line for line in PlanBook(Work(sessions, lambda: now)).page().lines if line.state == "planned"]
    assert [line.id for line in planned] == [demo.TOMORROW_PLAN] and planned[0].begins >= now


@pytest.mark.parametrize("hour", [8, 10, 12])
def test_by_day_it_runs_into_nothing(tmp_path, hour):
    _, doughs = opened(tmp_path / "data", datetime(2026, 11, 28, hour, 20, tzinfo=UTC))
    assert [clash.sentence for dough in doughs.values() for clash in dough.clashes] == []


def test_opened_again_a_day_later_it_is_alive_again_unless_somebody_baked_with_it(tmp_path):
    now = datetime(2026, 11, 28, 9, 0, tzinfo=UTC)
    _, first = opened(tmp_path / "data", now)
    _, soon = opened(tmp_path / "data", now + timedelta(minutes=10))
    assert [dough.id for dough in soon.values()] == [dough.id for dough in first.values()]
    later = now + timedelta(days=1)
    sessions, next_day = opened(tmp_path / "data", later)
    assert set(next_day) == {"bulk", "cold", "oven"}
    assert not {dough.id for dough in next_day.values()} & {dough.id for dough in first.values()}
    states = [line.state for line in BakesBook(Work(sessions, lambda: later)).page().lines]
    assert sorted(states) == ["baked", "on_bench", "on_bench", "on_bench"]
    mine = next_day["bulk"].id
    Presses(Work(sessions, lambda: later)).press(mine, (Press("mine", "bake_note", later, {"text": "Hello."}),))
    _, kept = opened(tmp_path / "data", later + timedelta(days=1))
    assert kept["bulk"].id == mine and mine.startswith(PREFIX)
