"""Courses under way: whatever is pressed, time never runs backward, nothing is done twice, every part ends."""

import json
import os
import random
from datetime import datetime, timedelta
from itertools import pairwise
from typing import Any

import pytest

from gentle_crust.contract.course import PlanQuestion
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.believed import Read
from gentle_crust.core.course.method import BESIDE, Place
from gentle_crust.core.course.plan import plan
from gentle_crust.core.course.progress import Known, Press, PressKind, Progress, progress
from gentle_crust.core.course.standing import Run
from gentle_crust.core.errors import Conflict, CraftError, NotFound
from tests.courses import NOW, courses

SEQUENCES = 300 if os.environ.get("GENTLE_CRUST_PROVE") else 30
KINDS: list[PressKind] = [
    "done", "done", "done", "done", "begun", "skipped", "fold", "extra_fold", "no_fold", "moved", "held",
]  # fmt: skip


def asked(name: str) -> Asked:
    """A course by the beginning of its name."""
    written = next(each for key, each in courses().items() if key.split()[0] == name)
    return PlanQuestion.model_validate_json(json.dumps(written)).asked()[0]


def own(found: Progress, part: Any) -> list[Run]:
    """The stages of one part's dough in their order."""
    return [*found.solved.trunk, *part.runs]


def holds(found: Progress, now: datetime, presses: list[Press]) -> None:
    """What is always so of a course under way."""
    clock = found.solved.clock
    for part in found.solved.parts:
        runs = own(found, part)
        assert all(before.end <= after.start + 0.02 for before, after in pairwise(runs)), "time runs backward"
        assert all(run.hours >= -1e-6 for run in runs)
        assert part.out >= runs[0].start, "the part ends"
        states = [found.statuses[run.filled.id] for run in runs]
        first_open = next((i for i, each in enumerate(states) if each != "done"), len(states))
        assert "done" not in states[first_open:], "what is done is done from the beginning on"
        assert sum(each in ("running", "due") for each in states) <= 1, "a dough is in one stage"
        begun = "done" in states
        for run, state in zip(runs, states, strict=True):
            if begun and state != "done" and run.filled.kind not in ("bake", "cool"):
                assert clock.at(run.end) >= now - timedelta(minutes=1), "what is not done is not in the past"
    pressed = {press.stage: press.at for press in presses if press.kind == "done"}
    for run in found.solved.runs:
        if run.filled.id in pressed:
            assert abs((clock.at(run.end) - pressed[run.filled.id]).total_seconds()) <= 60, (
                "it ended when it was pressed"
            )


def press_at_random(dice: random.Random, question: Asked) -> int:
    """A day of presses, some of them impossible; each answer keeps what is always so. How many were taken."""
    now = datetime.fromisoformat(NOW)
    presses: list[Press] = []
    found = progress(question, presses, now)
    taken = 0
    for _ in range(14):
        now += timedelta(minutes=dice.choice([0, 3, 20, 60, 180, 420]))
        ids = [id_ for id_, state in found.statuses.items() if state not in ("done", "skipped")]
        if not ids:
            break
        near = [id_ for id_ in ids if found.statuses[id_] in ("running", "due")] or ids[:3]
        stage = dice.choice(near if dice.random() < 0.7 else list(found.statuses))
        press = Press(
            dice.choice(KINDS), stage, now - timedelta(minutes=dice.choice([0, 0, 2, 15])),
            Place(dice.choice(["fridge", "oven_off", "room"])), now + timedelta(hours=dice.choice([-1, 1, 5])),
        )  # fmt: skip
        try:
            found = progress(question, [*presses, press], now)
        except CraftError:
            found = progress(question, presses, now)
        else:
            presses.append(press)
            taken += 1
        holds(found, now, presses)
    return taken


@pytest.mark.parametrize("seed", range(SEQUENCES))
def test_any_presses_keep_what_is_always_so(seed: int) -> None:
    dice = random.Random(seed)
    name = dice.choice(["1", "2", "3", "5", "6", "8", "12", "18"])
    press_at_random(dice, asked(name))


def test_presses_at_random_are_mostly_taken() -> None:
    taken = sum(press_at_random(random.Random(seed), asked("1")) for seed in range(4))
    assert taken >= 16


def test_nothing_pressed_is_the_plan() -> None:
    question = asked("1")
    found = progress(question, [], question.now)
    assert found.solved.parts[0].out == plan(question).solved.parts[0].out
    assert found.of("done") == ()


def test_a_bulk_that_is_stopped_later_shortens_the_fridge_and_keeps_the_hour() -> None:
    question = asked("1")
    planned = plan(question).solved
    clock = planned.clock
    ends = {run.filled.id: clock.at(run.end) for run in planned.runs}
    late = [Press("done", "mix", ends["mix"]), Press("done", "bulk", ends["bulk"] + timedelta(minutes=50))]
    found = progress(question, late, ends["bulk"] + timedelta(minutes=50))
    proof = next(run for run in found.solved.runs if run.filled.id == "proof")
    before = next(run for run in planned.runs if run.filled.id == "proof")
    assert before.hours - proof.hours == pytest.approx(50 / 60, abs=0.1)
    assert abs(found.solved.parts[0].off_h) < 0.05
    assert found.statuses["divide"] == "due" and found.statuses["proof"] == "planned"


def test_a_dough_put_into_the_fridge_in_the_middle_of_its_bulk_goes_on_there() -> None:
    question = asked("6")
    planned = plan(question).solved
    ends = {run.filled.id: planned.clock.at(run.end) for run in planned.runs}
    cold = ends["mix"] + timedelta(minutes=30)
    found = progress(question, [Press("done", "mix", ends["mix"]), Press("moved", "bulk", cold, Place("fridge"))], cold)
    bulk = [run for run in found.solved.runs if run.filled.kind == "bulk"]
    assert [run.filled.place.name for run in bulk] == ["room", "fridge"]
    assert bulk[0].hours == pytest.approx(0.5, abs=0.01)
    assert bulk[1].trace is not None and bulk[1].trace.dough_c[-1] < bulk[1].trace.dough_c[0] - 4
    out = found.solved.clock.at(found.solved.parts[0].out)
    assert out > planned.clock.at(planned.parts[0].out), "cold takes longer"


def test_what_is_left_out_does_not_happen_and_what_is_overdue_waits_for_hands() -> None:
    question = asked("1")
    planned = plan(question).solved
    ends = {run.filled.id: planned.clock.at(run.end) for run in planned.runs}
    presses = [Press("done", "bulk", ends["bulk"]), Press("skipped", "preshape", ends["bulk"])]
    later = ends["divide"] + timedelta(minutes=30)
    found = progress(question, presses, later)
    assert found.statuses["preshape"] == "skipped"
    assert "preshape" not in {run.filled.id for run in found.solved.runs}
    assert found.statuses["divide"] == "due"
    divide = next(run for run in found.solved.runs if run.filled.id == "divide")
    assert found.solved.clock.at(divide.end) >= later - timedelta(minutes=1)


def test_a_hold_that_is_held_goes_on_until_then() -> None:
    question = asked("1")
    planned = plan(question).solved
    ends = {run.filled.id: planned.clock.at(run.end) for run in planned.runs}
    cold, until = ends["shape"] + timedelta(hours=2), ends["proof"] + timedelta(hours=3)
    found = progress(question, [Press("done", "shape", ends["shape"]), Press("held", "proof", cold, until=until)], cold)
    proof = next(run for run in found.solved.runs if run.filled.id == "proof")
    assert abs((found.solved.clock.at(proof.end) - until).total_seconds()) < 60
    assert found.solved.parts[0].off_h == pytest.approx(3, abs=0.1)


@pytest.mark.parametrize(
    ("presses", "error"),
    [
        ([("done", "sing", 0)], NotFound),
        ([("done", "bulk", 60), ("done", "bulk", 70)], Conflict),
        ([("done", "bulk", 60), ("skipped", "bulk", 70)], Conflict),
        ([("done", "divide", 60), ("done", "bulk", 70)], Conflict),
        ([("done", "bulk", 60), ("done", "divide", 20)], Conflict),
        ([("skipped", "bake", 0)], Conflict),
        ([("moved", "divide", 0)], Conflict),
        ([("done", "mix", 100000)], CraftError),
    ],
)
def test_presses_that_cannot_be_are_refused(presses: list[tuple[PressKind, str, int]], error: type[CraftError]) -> None:
    question = asked("1")
    now = datetime.fromisoformat(NOW) + timedelta(hours=3)
    made = [Press(kind, stage, now - timedelta(hours=2) + timedelta(minutes=at)) for kind, stage, at in presses]
    with pytest.raises(error):
        progress(question, made, now)


def bulk_end(presses: list[Press], readings: tuple[Read, ...], at: datetime) -> float:
    """Hours from mixing to the end of bulk."""
    runs = progress(asked("1"), presses, at, Known(readings)).solved.runs
    return next(run.end for run in runs if run.filled.id == "bulk") - runs[0].end


def test_a_dough_that_rises_slower_than_foretold_is_given_longer_and_a_quick_one_less() -> None:
    question = asked("1")
    planned = plan(question).solved
    mixed = next(planned.clock.at(run.end) for run in planned.runs if run.filled.id == "mix")
    bulk = next(run for run in planned.runs if run.filled.id == "bulk")
    assert bulk.trace is not None
    after, now = timedelta(hours=3), mixed + timedelta(hours=3)
    foretold = float(bulk.trace.rise[abs(bulk.trace.hours - 3).argmin(), 20])
    presses = [Press("done", "mix", mixed)]
    usual = bulk_end(presses, (Read(mixed + after, "rise_jar", foretold),), now)
    slow = bulk_end(presses, (Read(mixed + after, "rise_jar", 0.4 * foretold),), now)
    quick = bulk_end(presses, (Read(mixed + after, "rise_jar", 1.8 * foretold),), now)
    assert quick < usual - 0.2 < usual + 0.2 < slow
    assert slow < bulk_end(presses, (Read(mixed + after, "rise_jar", 0.1 * foretold),), now)


def test_a_dough_that_left_the_bowl_colder_takes_longer() -> None:
    question = asked("1")
    mixed = next(
        plan(question).solved.clock.at(run.end) for run in plan(question).solved.runs if run.filled.id == "mix"
    )
    presses, now = [Press("done", "mix", mixed)], mixed + timedelta(minutes=20)
    cold = (Read(mixed + timedelta(minutes=5), "dough_c", 21.0),)
    late = (Read(mixed + timedelta(hours=5), "dough_c", 21.0),)
    assert bulk_end(presses, cold, now) > bulk_end(presses, (), now) + 0.5
    at = mixed + timedelta(hours=5)
    assert bulk_end(presses, late, at) > bulk_end(presses, (), at) + 0.1, "its room is colder than was thought"


def test_what_ripens_is_done_by_itself() -> None:
    question = asked("1")
    levain = next(each for each in plan(question).solved.beside if each.kind in BESIDE)
    at = plan(question).solved.clock.at(levain.start)
    found = progress(question, [Press("done", "levain", at)], at)
    assert found.statuses["levain"] == "done" and found.statuses["mix"] == "planned"
    later = progress(question, [Press("done", "levain", at)], at + timedelta(hours=3))
    mixes = [next(run.start for run in each.solved.runs if run.filled.id == "mix") for each in (found, later)]
    assert found.solved.clock.at(mixes[0]) == later.solved.clock.at(mixes[1]), (
        "the mix waits for the levain that was built"
    )
