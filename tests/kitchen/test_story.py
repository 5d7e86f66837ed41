"""What happened to a dough, read off its events: once each, in any order, without what was taken back."""

from datetime import UTC, datetime, timedelta
from itertools import permutations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from gentle_crust.config import config
from gentle_crust.contract.events import is_step_key
from gentle_crust.contract.tidy import clean, sane
from gentle_crust.core.bench.happened import keys
from gentle_crust.core.errors import CraftError
from gentle_crust.kitchen import story as tale
from gentle_crust.kitchen.now import Clock, clock_of, rate_of, system_now
from gentle_crust.kitchen.story import story_of
from gentle_crust.text.render import say

START = datetime(2026, 11, 28, 14, 0, tzinfo=UTC)
MIN = timedelta(minutes=1)


def step(key, minutes, of="fold-1", **more):
    return (key, tale.STEP, START + minutes * MIN, {"key": of, **more})


def by_time(events):
    return sorted(events, key=lambda event: event[2])


def test_the_first_word_on_a_step_counts_and_done_outweighs_left_out():
    found = story_of([step("a", 5), step("b", 9)]).happened
    assert found.done("fold-1") == START + 5 * MIN and len(found.deeds) == 1
    found = story_of([step("a", 5, skipped=True), step("b", 9)]).happened
    assert found.done("fold-1") == START + 9 * MIN and not found.skipped("fold-1")


def test_the_order_in_which_events_arrive_changes_nothing():
    events = [step("a", 5), step("b", 40, "fold-2"), step("c", 70, "fold-3", skipped=True),
              ("n", tale.NOTE, START + 50 * MIN, {"text": "sticky"})]  # fmt: skip
    stories = {story_of(by_time(order)).happened for order in permutations(events)}
    assert len(stories) == 1


def test_taken_back_it_is_gone_with_its_double_and_can_be_done_again():
    first = story_of([step("a", 5), step("b", 6)])
    together = tale.same_step(first.told, first.told[0].id)
    assert set(together) == {"a", "b"}
    back = ("w", tale.WITHDRAWN, START + 7 * MIN, {"event": "a", "with": list(together)})
    gone = story_of([step("a", 5), step("b", 6), back])
    assert gone.happened.deeds == () and [each.id for each in gone.withdrawn] == ["a", "b"]
    again = story_of([step("a", 5), step("b", 6), back, step("c", 8)])
    assert again.happened.done("fold-1") == START + 8 * MIN


def test_a_correction_moves_it_and_the_last_correction_holds():
    events = [
        step("a", 30),
        ("x", tale.CORRECTED, START + 31 * MIN, {"event": "a", "at": (START + 10 * MIN).isoformat()}),
        ("y", tale.CORRECTED, START + 32 * MIN, {"event": "a", "at": (START + 12 * MIN).isoformat()}),
    ]
    assert story_of(events).happened.done("fold-1") == START + 12 * MIN


def test_changes_of_course_add_up_and_are_taken_back_one_by_one():
    change = {"code": "warm", "at": START.isoformat(), "until": None, "ambient_c": 27.0, "load_at": None, "key": ""}
    cold = change | {"code": "chill", "load_at": (START + 900 * MIN).isoformat()}
    events = [
        ("a", tale.CHANGED, START + MIN, {"change": change}),
        ("b", tale.CHANGED, START + 2 * MIN, {"change": cold}),
    ]
    both = story_of(events).happened
    assert both.stands[0].ambient_c == 27 and both.cold_from == START and both.load_at is not None
    one = story_of([*events, ("w", tale.WITHDRAWN, START + 3 * MIN, {"event": "b"})]).happened
    assert one.stands and one.cold_from is None


def test_readings_of_the_plan_room_and_of_the_bench_are_one_kind():
    body = {"kind": "rise_eye", "value": 0.3, "sure": False}
    told = story_of([("r", tale.READ, START, body), ("r-w", tale.READ_WITHDRAWN, START + MIN, {"reading": "r"})])
    assert told.readings == ()
    assert story_of([("r", tale.READ, START, body)]).readings[0].value == 0.3


def test_started_closed_and_put_off():
    events = [("s", tale.STARTED, START, {})]
    assert story_of(events).started == START and not story_of(events).closed
    assert story_of([*events, ("f", tale.FINISHED, START + MIN, {})]).closed
    until = (START + 5 * MIN).isoformat()
    put_off = story_of([*events, ("z", tale.SNOOZED, START, {"key": "fold-1", "until": until})])
    assert put_off.snoozed == {"fold-1": START + 5 * MIN}


@given(
    st.lists(
        st.tuples(st.integers(0, 600), st.sampled_from(["fold-1", "fold-2", "mix-1", "extra_fold-a"]), st.booleans()),
        max_size=12,
    ),
    st.sets(st.integers(0, 11)),
)
@settings(max_examples=150, deadline=None)
def test_whatever_is_pressed_and_taken_back_each_step_is_there_at_most_once(pressed, taken_back):
    events = [step(f"e{n}", at, key, skipped=skipped) for n, (at, key, skipped) in enumerate(pressed)]
    events += [
        (f"w{n}", tale.WITHDRAWN, START + timedelta(days=1), {"event": f"e{n}"}) for n in taken_back if n < len(pressed)
    ]
    found = story_of(by_time(events))
    names = [deed.key for deed in found.happened.deeds]
    assert len(names) == len(set(names))
    assert {each.id for each in found.told} == {f"e{n}" for n in range(len(pressed)) if n not in taken_back}


def test_keys_name_each_of_a_kind():
    class Kinded:
        def __init__(self, kind):
            self.kind, self.key = kind, ""

    found = keys([Kinded("fold"), Kinded("fold"), Kinded("load"), Kinded("fold")])
    assert found == ("fold-1", "fold-2", "load-1", "fold-3")
    assert all(is_step_key(key) for key in (*found, "extra_fold-9f"))
    assert not any(is_step_key(key) for key in ("", "fold", "-1", "fold-x"))


def test_the_clock_may_run_fast_or_stand_and_nonsense_is_refused(monkeypatch):
    still = clock_of(START.isoformat())
    assert still() == START and rate_of(still) == 0
    fast = clock_of(START.isoformat(), 600)
    assert isinstance(fast, Clock) and rate_of(fast) == 600 and fast() >= START
    for bad in ("half past six", "2026-11-28T06:30"):
        with pytest.raises(SystemExit):
            clock_of(bad)
    for bad in ("quick", "-1", "99999"):
        monkeypatch.setenv("GENTLE_CRUST_RATE", bad)
        with pytest.raises(SystemExit, match="GENTLE_CRUST_RATE"):
            config()
    assert rate_of(clock_of(None)) == 1.0 and rate_of(system_now) == 1.0


UNREADABLE = [
    (tale.CHANGED, {"change": {"code": "warm", "at": START.isoformat()}}),
    (tale.CHANGED, {"change": {"code": "chill", "at": "2026-11-28T14:00:00", "load_at": "2026-11-29T07:00:00"}}),
    (tale.CHANGED, {}),
    (tale.STEP, {"key": "\ud800-1"}),
    (tale.STEP, {"key": "levain--5"}),
    (tale.STEP, {"key": "levain-\u00b2"}),
    (tale.NOT_YET, {"key": "mix-1", "until": "0001-01-01T00:00:00+00:00"}),
    (tale.NOT_YET, {"key": "mix-1", "until": "soon"}),
    (tale.READ, {"kind": "song", "value": 1}),
    (tale.READ, {"kind": "rise_eye", "value": None}),
    (tale.JUDGED, {"cues": "x"}),
    (tale.CORRECTED, {"event": "s"}),
    (tale.WITHDRAWN, {}),
    (tale.OUTCOME, {"how": "fine"}),
    (tale.NOTE, "words"),
    ("bake_sung", {}),
]


@pytest.mark.parametrize(("kind", "body"), UNREADABLE)
def test_one_unreadable_event_costs_one_event(kind, body):
    good = [("s", tale.STARTED, START, {}), ("m", tale.STEP, START, {"key": "mix-1"})]
    bad = ("bad", kind, START, body)
    for events in ([bad, *good], [*good, bad]):
        found = story_of(events)
        assert [each.id for each in found.unreadable] == ["bad"]
        assert {each.id for each in found.told} == {"s", "m"} and found.happened.done("mix-1") == START


def test_half_letters_and_control_characters_are_kept_as_what_can_be_written():
    found = story_of([("n", tale.NOTE, START, {"text": "a\ud83d b\x00\x1b\nc"})])
    assert not found.unreadable and found.told[0].body["text"] == "a\ufffd b\nc"
    assert clean({"\udc00": ["\x07x", 3, None, {"y": "\ud800"}]}) == {"\ufffd": ["x", 3, None, {"y": "\ufffd"}]}


@pytest.mark.parametrize(
    "at", [datetime(1, 1, 1, tzinfo=UTC), datetime(9999, 12, 31, tzinfo=UTC), datetime(2026, 1, 1)]
)
def test_times_that_no_kitchen_has(at):
    with pytest.raises(CraftError) as refused:
        sane(at, "at")
    assert refused.value.field == "at" and say(refused.value.what).remedy
    assert sane(START, "at") == START
