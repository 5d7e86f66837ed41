"""The rest of a course under way, carried on from what is known of it."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from datetime import datetime

from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.believed import Read, believe
from gentle_crust.core.course.fill import Filled
from gentle_crust.core.course.folding import Folded
from gentle_crust.core.course.laying import BEGINS_LATER, MOST_ROUNDS, NEAR_H, Laid, Laying, all_holds, held
from gentle_crust.core.course.outcome import as_told
from gentle_crust.core.course.solve import solve
from gentle_crust.core.course.solved import Solved
from gentle_crust.core.fermentation.readings import RISES, Doubt, Looked, Reading, doubts

MET_H = 2e-4
"""A time that is met so nearly is met to the second."""
LONG_AGO = -1e6
"""Hours: before anything that is followed."""


@dataclass(frozen=True)
class Folds:
    """Folds of a stage under way: those of its plan that were done, others, and how many of its plan do not happen."""

    done: tuple[datetime, ...] = ()
    extra: tuple[datetime, ...] = ()
    left_out: int = 0
    not_before: datetime | None = None


@dataclass(frozen=True)
class Carried:
    """What is known of a course under way, by the ids of its stages.

    ``ends``: when they ended. ``holds``: until when others are to be held. ``begins``: when the first stages of doughs
    began, or are to begin. ``bakes_from``: before when a bake cannot begin, as its oven is not hot.
    ``looked`` counts from mixing.
    """

    ends: Mapping[str, datetime] = field(default_factory=dict)
    holds: Mapping[str, datetime] = field(default_factory=dict)
    readings: tuple[Read, ...] = ()
    looked: tuple[Looked, ...] = ()
    begins: Mapping[str, datetime] = field(default_factory=dict)
    folds: Mapping[str, Folds] = field(default_factory=dict)
    bakes_from: Mapping[str, datetime] = field(default_factory=dict)
    as_planned: bool = False
    """Whether nobody says what is done: what was not pressed goes by the plan."""


@dataclass(frozen=True)
class CarriedOn:
    """A course under way: as it will be done, nothing of it before now; and as it was due, whatever the time is now."""

    solved: Solved
    due: Solved


def carry_on(asked: Asked, known: Carried) -> CarriedOn:
    """The rest of a course, carried on from what is known of it as of ``asked.now``.

    What was done took as long as it took; what is running has not ended yet; holds to come are moved so that each
    part meets its time. Without anything known, the course of the least cost.
    """
    if not known.ends and not known.begins:
        solved = solve(asked)
        return CarriedOn(solved, solved)
    search = Laying(asked)
    ends = {id_: search.clock.hours(at) for id_, at in known.ends.items()}
    start, fixed = _as_it_was(search, ends, known.begins)
    search.ground = replace(search.ground, folded=_folded(search, known.folds))
    search.ripe_for(start)
    seen = _seen_in_bulk(search, known.readings)
    now = seen if known.as_planned else 0.0
    odd = believe(search, start, _so_far(search, start, fixed, ends, now), known.readings, known.looked)
    until = {id_: search.clock.hours(at) for id_, at in known.holds.items()}
    due_holds, due = _laid_out(search, start, fixed, ends, until, {}, seen)
    hot = {id_: search.clock.hours(at) for id_, at in known.bakes_from.items()}
    holds, laid = _laid_out(search, start, fixed, ends, until, hot, max(seen, 0.0))
    solved = _told(search, start, holds, laid, ends, odd)
    if _times(laid) == _times(due):
        return CarriedOn(solved, solved)
    return CarriedOn(solved, _told(search, start, due_holds, due, ends, odd))


def _told(
    search: Laying, start: float, holds: dict[str, float], laid: Laid, ends: dict[str, float], odd: tuple[Doubt, ...]
) -> Solved:
    return replace(as_told(search, start, holds, laid, ends), doubts=odd)


def _folded(search: Laying, folds: Mapping[str, Folds]) -> dict[str, Folded]:
    hours = search.clock.hours
    return {
        id_: Folded(
            tuple(hours(at) for at in each.done), tuple(hours(at) for at in each.extra), each.left_out,
            LONG_AGO if each.not_before is None else hours(each.not_before),
        )
        for id_, each in folds.items()
    }  # fmt: skip


def _as_it_was(
    search: Laying, ends: dict[str, float], begins: Mapping[str, datetime]
) -> tuple[float, dict[str, float]]:
    """When the dough was begun, and the hours of all that is done; of parts apart, how much later each began."""
    fixed: dict[str, float] = {}
    started: dict[str, float] = {}
    given = {id_: search.clock.hours(at) for id_, at in begins.items()}
    for batch, tail in zip(search.batches, search.tails, strict=True):
        before: float | None = None
        for each in (*search.trunk, *tail):
            if each.id not in ends:
                break
            if before is None:
                own = ends[each.id] - _own_h(each)
                before = started[batch.name] = min(given.get(each.id, own), ends[each.id])
            fixed[each.id] = max(ends[each.id] - before, 0.0)
            before = ends[each.id]
        first = (*search.trunk, *tail)[0]
        if before is None and first.id in given:
            started[batch.name] = given[first.id]
    start = min(started.values())
    if not search.trunk:
        fixed |= {f"{BEGINS_LATER} {name}": at - start for name, at in started.items()}
    return start, fixed


def _own_h(each: Filled) -> float:
    """How long the first stage of a dough took, if only its end is known: what it usually takes."""
    return each.work_min / 60 if each.stage.minutes is not None else sum(each.until.minutes) / 120


def _so_far(
    search: Laying, start: float, fixed: dict[str, float], ends: dict[str, float], now: float
) -> dict[str, float]:
    """Hours of what is done, and of what has been running until ``now``."""
    return fixed | _not_over_yet(search, start, search.lay(start, fixed), ends, {}, {}, now)


def _seen_in_bulk(search: Laying, readings: tuple[Read, ...]) -> float:
    """When the dough's rise was read last, so that it can be believed: what was running then had not ended."""
    told = tuple(Reading(search.clock.hours(each.at), each.kind, each.value, each.sure) for each in readings)
    odd = {doubt.index for doubt in doubts(told)}
    sound = [each.at_h for index, each in enumerate(told) if each.kind in RISES and index not in odd]
    return max(sound, default=LONG_AGO)


def _laid_out(
    search: Laying, start: float, fixed: dict[str, float], ends: dict[str, float], until: dict[str, float],
    hot: dict[str, float], now: float,
) -> tuple[dict[str, float], Laid]:  # fmt: skip
    """The rest of a course with the hours that are settled for its stages; nothing to come is before ``now``."""
    settled = dict(fixed)
    holds = {each.id: sum(each.until.minutes) / 120 for each in all_holds(search) if each.id not in settled}
    laid = search.lay(start, {**holds, **settled})
    for _ in range(MOST_ROUNDS):
        settled |= _not_over_yet(search, start, laid, ends, until, hot, now)
        holds, moved = _held_to(search, laid, {k: v for k, v in holds.items() if k not in settled})
        before, laid = laid, search.lay(start, {**holds, **settled})
        if moved < MET_H and _near(before, laid):
            break
    return {**holds, **settled}, laid


def _times(laid: Laid) -> tuple[tuple[float, float], ...]:
    """When each stage begins and ends."""
    return tuple((run.start, run.end) for runs in (laid.trunk, *laid.parts) for run in runs)


def _near(one: Laid, other: Laid) -> bool:
    """Whether two courses end at the same times."""
    return all(abs(a - b) < NEAR_H for a, b in zip(one.outs(), other.outs(), strict=True))


def _not_over_yet(
    search: Laying, start: float, laid: Laid, ends: dict[str, float], until: Mapping[str, float],
    hot: Mapping[str, float], now: float,
) -> dict[str, float]:  # fmt: skip
    """Hours of what is running, which has not ended before now; of what is to be held until a time, or until the oven
    is hot; and how much later a part begins that has not begun."""
    found: dict[str, float] = {}
    for batch, part in zip(search.batches, laid.parts, strict=True):
        own = [run for run in (*laid.trunk, *part) if run.filled.id not in ends]
        if len(own) == len(part) and not laid.trunk and own[0].start < now:
            found[f"{BEGINS_LATER} {batch.name}"] = now - start
            continue
        for place, run in enumerate(own):
            after = own[place + 1].filled if place + 1 < len(own) else None
            if run.filled.id in until:
                found[run.filled.id] = max(max(until[run.filled.id], now) - run.start, 0.0)
            elif place == 0 and run.end < now and run.filled.bake is None:
                found[run.filled.id] = now - run.start
            if after is not None and after.id in hot and run.end < hot[after.id] - NEAR_H:
                found[run.filled.id] = hot[after.id] - run.start
    return found


def _held_to(search: Laying, laid: Laid, holds: dict[str, float]) -> tuple[dict[str, float], float]:
    """Holds to come, the trunk's and each part's, moved by what the parts would be early or late."""
    moved = 0.0
    outs = laid.outs()
    late = [0.0 if at is None else out - at for out, at in zip(outs, search.wanted, strict=True)]
    changed = dict(holds)
    own = [each for each in held(search.trunk) if each.id in holds]
    if own and late:
        moved = max(moved, _share_out(changed, own, min(late, key=abs)))
        late = [each - min(late, key=abs) for each in late]
    for tail, each_late in zip(search.tails, late, strict=True):
        able = [each for each in held(tail) if each.id in holds]
        if able:
            moved = max(moved, _share_out(changed, able, each_late))
    return changed, moved


def _share_out(holds: dict[str, float], able: list[Filled], late_h: float) -> float:
    """Holds made shorter by what is late (longer by what is early), one after the other; what they moved, h."""
    left, moved = late_h, 0.0
    for each in able:
        low, high = (end / 60 for end in each.until.minutes)
        new = min(max(holds[each.id] - left, low), high)
        moved = max(moved, abs(new - holds[each.id]))
        left -= holds[each.id] - new
        holds[each.id] = new
    return moved
