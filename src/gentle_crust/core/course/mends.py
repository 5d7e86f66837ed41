"""One change that would do: tried before it is offered."""

from collections.abc import Iterator
from dataclasses import asdict, dataclass, replace
from datetime import datetime, timedelta
from functools import lru_cache
from itertools import islice, zip_longest
from typing import Any

from gentle_crust.core.course.as_written import as_written
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.fill import COOL_BATH, LIVES_BETWEEN_C, WARM, room_mean_c
from gentle_crust.core.course.kit_written import vessel_of
from gentle_crust.core.course.method import Method, Place, Stage, Until, is_cold
from gentle_crust.core.course.plan import CoursePlan, in_style, plan, ready_of, soonest
from gentle_crust.core.course.problems import Problem
from gentle_crust.core.course.styles import fitting
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.edit import with_levain_share, with_yeast, with_yeast_beside
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.messages import Message, message

OF_FERMENTING = (
    "unripe", "no_rise", "never_ready", "never_warms", "under_proofed", "over_proofed", "proof_too_short", "water_hot",
)  # fmt: skip
OF_TIME = {"past", "late", "early", "asleep", "hands_taken", "oven_taken", "fridge_full"}
"""What another hour would mend."""
EARLIER_LATER_H = (1, 2, -1, 3, 24, -2, 48, 4, 6, 8, 12)
PINCH_PERCENT = 0.2
"""Instant yeast beside a levain, of all flour: a pinch that hurries bulk and leaves it sourdough (practice)."""
MORE, LESS = 1.6, 0.5
LEVAIN_PERCENT = (3.0, 25.0)
"""Prefermented flour of a levain that bakers use, and how it is changed (practice)."""
LESS_YEAST, LEAST_YEAST_PERCENT = (0.6, 0.35), 0.02
"""What is left of the dough's yeast where it is too much, and the least that can still be weighed (practice)."""
MOST_TRIED = 10
"""So many other questions are tried for all problems of one plan."""
A_QUARTER = timedelta(minutes=15)


@dataclass(frozen=True)
class Mend:
    """What would do: a sentence, and the fields of the question to be put in the place of those given."""

    text: Message
    change: dict[str, Any]
    leaven: tuple[tuple[str, float], ...] = ()
    """What of the formula's leaven that changes: its levain's share, its yeast, a pinch of yeast beside, percent."""


def mends(made: CoursePlan) -> tuple[Mend | None, ...]:
    """For each problem of a plan, one change with which it is gone and nothing worse comes; None if none was found."""
    before = {each.code for each in made.problems}
    known: dict[str, Mend] = {}
    tried: dict[Asked, set[str] | None] = {}
    for problem in made.problems:
        if problem.code in known:
            continue
        for asked, mend in _changes(made, problem):
            if asked not in tried:
                if len(tried) >= MOST_TRIED:
                    break
                tried[asked] = _codes(asked)
            after = tried[asked]
            if after is None or problem.code in after or len(after) >= len(before):
                continue
            # What mends one thing mends the others with it, as far as it does.
            known |= {code: mend for code in before - after if code not in known}
            break
    return tuple(known.get(problem.code) for problem in made.problems)


def alternatives(made: CoursePlan, most: int) -> tuple[Mend, ...]:
    """Several changes of which each alone rids a plan of all its problems, the one that a baker likes best first.

    Where no change does, one that is rid of some of them.
    """
    before = {each.code for each in made.problems}
    found: dict[tuple[str, ...], Mend] = {}
    partly: tuple[int, Mend] | None = None
    tried: set[Asked] = set()
    for problem, asked, mend in _in_turn(made):
        kind = (*mend.change, *dict(mend.leaven))
        if asked in tried or kind in found:
            continue
        if len(tried) >= MOST_TRIED or len(found) >= most:
            break
        tried.add(asked)
        left = _codes(asked)
        if left == set():
            found[kind] = mend
        elif left is not None and _better(problem.code, left, before) and (partly is None or len(left) < partly[0]):
            partly = (len(left), mend)
    return tuple(found.values()) or (() if partly is None else (partly[1],))


def _in_turn(made: CoursePlan) -> Iterator[tuple[Problem, Asked, Mend]]:
    """The changes for each problem by turns, so that none of them is left untried for the others' sake."""
    problems = {each.code: each for each in made.problems}.values()
    for row in zip_longest(*(_changes(made, problem) for problem in problems)):
        yield from ((problem, *change) for problem, change in zip(problems, row, strict=True) if change is not None)


def _better(code: str, left: set[str], before: set[str]) -> bool:
    """Whether one problem less is left and none came; or a dough that did not ferment does, if at a wrong hour."""
    return left < before or (code not in OF_TIME and code not in left and left <= OF_TIME)


def _codes(asked: Asked) -> set[str] | None:
    """Codes of the problems of another question; None if it cannot be asked."""
    try:
        return {each.code for each in plan(asked).problems}
    except CraftError:
        return None


def _changes(made: CoursePlan, problem: Problem) -> Iterator[tuple[Asked, Mend]]:
    """Changes worth trying for a problem, the one that a baker likes best first."""
    asked = made.asked
    if problem.code == "over_proofed":
        yield from _other_leaven(asked, problem)
    if problem.code == "water_hot":
        yield from _other_dough_c(asked)
        # One that is mixed at another hour, when the flour is not as cold as the night.
        yield from islice(_in_another_style(asked), 2)
    if problem.code in OF_FERMENTING:
        yield from _elsewhere(asked, problem)
        yield from _otherwise(asked, problem)
    if problem.code in ("vessel", "oven", "unsafe"):
        yield from _other_vessel(asked, problem)
    times = _at_another_time(made)
    yield from islice(times, 1)
    if problem.code in ("past", "late", "unripe", "young_culture"):
        yield from _other_leaven(asked, problem)
    yield from times
    yield from _in_another_style(asked)
    if problem.code in ("no_rise", "under_proofed", "never_ready"):
        yield from _other_dough_c(asked)


def _other_dough_c(asked: Asked) -> Iterator[tuple[Asked, Mend]]:
    """A dough that leaves the bowl cooler, or warmer."""
    for dough_c in (asked.dough_c - 2, asked.dough_c - 4, asked.dough_c + 2):
        yield replace(asked, dough_c=dough_c), Mend(message("mend-dough-c", dough=dough_c), {"dough_c": dough_c})


def _with(asked: Asked, method: Method, said: Message) -> tuple[Asked, Mend]:
    """Another method in the place of the one that was asked for."""
    return replace(asked, method=method, style=""), Mend(said, {"method": as_written(method), "style": None})


def _with_stage(asked: Asked, stage: Stage, said: Message) -> tuple[Asked, Mend]:
    """Another stage in the place of the one of its id."""
    return _with(asked, _changed(asked.method, stage), said)


def _changed(method: Method, stage: Stage) -> Method:
    """The method with another stage in the place of the one of its id."""

    def swapped(stages: tuple[Stage, ...]) -> tuple[Stage, ...]:
        return tuple(stage if each.id == stage.id else each for each in stages)

    return method.changed(swapped)


def _elsewhere(asked: Asked, problem: Problem) -> Iterator[tuple[Asked, Mend]]:
    """Everything that ferments in the room put somewhere warmer or cooler; first the stage itself alone."""
    mean = room_mean_c(asked.kitchen)
    warm = mean < sum(LIVES_BETWEEN_C[asked.formula.leaven]) / 2
    places = (WARM, Place("proofer")) if warm else (COOL_BATH,)
    for place in places:
        said = message("mend-place", place=message(f"course-place-{place.name.replace('_', '-')}"))
        stage = asked.method.stage(problem.stage)
        if stage is not None and (stage.place is None or stage.place.name == "room"):
            yield _with_stage(asked, replace(stage, place=place), said)
        yield _with(asked, _all_at(asked.method, place), said)


def _all_at(method: Method, place: Place) -> Method:
    def moved(stages: tuple[Stage, ...]) -> tuple[Stage, ...]:
        able = ("levain", "feed", "preferment", "bulk", "proof", "rest", "warm_up")
        return tuple(
            replace(each, place=place)
            if each.kind in able and (each.place is None or each.place.name == "room")
            else each
            for each in stages
        )

    return method.changed(moved)


def _otherwise(asked: Asked, problem: Problem) -> Iterator[tuple[Asked, Mend]]:
    """The stage left to end when it is ready, instead of as it was stated."""
    stage = asked.method.stage(problem.stage)
    if stage is None:
        return
    if stage.kind in ("bulk", "proof") and not is_cold(stage):
        yield _until_ready(asked, stage)
    before = _bulk_before(asked.method, problem)
    if before is not None:
        yield _until_ready(asked, before)
    if stage.until is not None and stage.until.way == "span":
        low, high = stage.until.minutes
        for part in (0.7, 0.5, 1.4, 0.3, 2.0):
            shorter = Until("span", minutes=(low * part, max(high * part, low * part)))
            code = "mend-shorter" if part < 1 else "mend-longer"
            said = message(code, stage=message(f"course-kind-{stage.kind}"), minutes=round(high * part))
            yield _with_stage(asked, replace(stage, until=shorter), said)
    if stage.until is not None and stage.until.way == "dough_c":
        after = replace(stage, until=Until("span", minutes=(60.0, 60.0)))
        yield _with_stage(asked, after, message("mend-shorter", stage=message(f"course-kind-{stage.kind}"), minutes=60))


def _until_ready(asked: Asked, stage: Stage) -> tuple[Asked, Mend]:
    said = message("mend-until-ready", stage=message(f"course-kind-{stage.kind}"))
    return _with_stage(asked, replace(stage, until=Until("ready")), said)


def _bulk_before(method: Method, problem: Problem) -> Stage | None:
    for _, path in method.paths:
        ids = [stage.id for stage in path]
        if problem.stage in ids:
            earlier = path[: ids.index(problem.stage)]
            return next((stage for stage in earlier if stage.kind == "bulk" and not is_cold(stage)), None)
    return None


def _at_another_time(made: CoursePlan) -> Iterator[tuple[Asked, Mend]]:
    """As soon as it can be; else an hour or some earlier or later."""
    asked = made.asked
    if not asked.ready:
        for hours in EARLIER_LATER_H:
            if hours > 0:
                yield _ready(asked, tuple((name, at + timedelta(hours=hours)) for name, at in ready_of(made)))
        return
    soon = _first_good(asked)
    rounded = tuple((name, at + (A_QUARTER - (at - asked.now) % A_QUARTER)) for name, at in soon)
    # A part that is wanted later than it could be is still wanted then.
    later = tuple((name, max(at, asked.ready_at(name) or at)) for name, at in rounded)
    # Where a warm night makes every quarter of an hour another plan, it is that very minute.
    for ready in (later, rounded, soon):
        yield _ready(asked, ready)
    for hours in EARLIER_LATER_H:
        yield _ready(asked, tuple((name, at + timedelta(hours=hours)) for name, at in asked.ready))


@lru_cache(maxsize=16)
def _first_good(asked: Asked) -> tuple[tuple[str, datetime], ...]:
    """When each part could be ready at the soonest: every problem of one plan asks for it."""
    return ready_of(soonest(asked))


def _ready(asked: Asked, ready: tuple[tuple[str, Any], ...]) -> tuple[Asked, Mend]:
    changed = replace(asked, ready=ready)
    times = {name: at.isoformat() for name, at in ready}
    change = times[""] if list(times) == [""] else times
    return changed, Mend(message("mend-ready", at=ready[0][1]), {"ready": change})


def _other_leaven(asked: Asked, problem: Problem) -> Iterator[tuple[Asked, Mend]]:
    """More leaven where time is short, less of it where the dough goes too far; a culture that is awake already."""
    formula = asked.formula
    if formula.leaven == "levain" and not asked.lively and asked.starter is None:
        yield replace(asked, lively=True), Mend(message("mend-lively"), {"culture": {"lively": True}})
    share = next((one.flour_percent for one in formula.preferments if one.kind == "levain"), None)
    too_far = problem.code == "over_proofed"
    if formula.leaven == "levain" and not formula.yeast_percent and not too_far:
        pinch = with_yeast_beside(formula, PINCH_PERCENT)
        yield _leavened(
            asked, pinch, message("mend-pinch", percent=PINCH_PERCENT), "yeast_supplement_percent", PINCH_PERCENT
        )
    if share is not None:
        other = round(share * (LESS if too_far else MORE), 1)
        if LEVAIN_PERCENT[0] <= other <= LEVAIN_PERCENT[1]:
            said = message("mend-less-levain" if too_far else "mend-more-levain", percent=other, instead=share)
            yield _leavened(asked, with_levain_share(formula, other), said, "levain_percent", other)
    for part in LESS_YEAST if too_far else ():
        percent = round(formula.yeast_percent * part, 2)
        if percent >= LEAST_YEAST_PERCENT:
            said = message("mend-less-yeast", percent=percent, instead=formula.yeast_percent)
            yield _leavened(asked, with_yeast(formula, percent), said, "yeast_percent", percent)


def _leavened(asked: Asked, formula: Formula, said: Message, name: str, percent: float) -> tuple[Asked, Mend]:
    return replace(asked, formula=formula), Mend(said, {"formula": asdict(formula)}, ((name, percent),))


def _in_another_style(asked: Asked) -> Iterator[tuple[Asked, Mend]]:
    if asked.method.parts and not asked.tailoring.later:
        return
    for style in fitting(asked.formula, asked.kitchen.vessels):
        if style.id != asked.style:
            yield (
                in_style(asked, style),
                Mend(message("mend-style", style=style.name), {"style": style.id, "method": None}),
            )


def _other_vessel(asked: Asked, problem: Problem) -> Iterator[tuple[Asked, Mend]]:
    stage = asked.method.stage(problem.stage)
    if stage is None or stage.baking is None:
        return
    kinds = [each.kind for each in asked.kitchen.vessels] + [
        "tin" if asked.formula.shape == "pan_loaf" else "tray",
        "stone",
    ]
    for kind in dict.fromkeys(kinds):
        baking = replace(stage.baking, vessel=vessel_of(kind), heated=None, stages=None, steam=())
        said = message("mend-vessel", vessel=message(f"the-vessel-{kind}"))
        yield _with_stage(asked, replace(stage, baking=baking), said)
