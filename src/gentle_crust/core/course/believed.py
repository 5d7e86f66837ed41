"""What was read and seen of a dough under way, believed: of its beginning, of its room and of its leaven."""

from dataclasses import dataclass, replace
from datetime import datetime

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.laying import Laid, Laying
from gentle_crust.core.course.standing import Run, rise_aimed_at
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.readings import Doubt, Looked, Reading, ReadingKind, check, doubts, grid, update

SOON_AFTER_H = 0.75
"""A temperature that is read so near the mixing is the one that the dough left the bowl with."""
MOST_ROOM_K = 8.0
LEAST_PER_K = 0.02
"""A dough that answers its room by less than this, K per K, tells nothing of it yet."""
AFTER_BULK_H = 1.0


@dataclass(frozen=True)
class Read:
    """What was read of a dough: when, by what way, and its rise (fraction of its gas-free volume).

    ``dough_c``: what a thermometer in it showed, C. ``ready``: it was judged ready, at that rise if it was in bulk.
    """

    at: datetime
    kind: ReadingKind
    value: float
    sure: bool = False


def believe(
    search: Laying, start: float, fixed: dict[str, float], readings: tuple[Read, ...], looked: tuple[Looked, ...]
) -> tuple[Doubt, ...]:
    """Let ``search`` go on as readings and looks tell: its dough, its room and its leaven. Those hard to believe.

    ``start`` and ``fixed``: when the dough was begun, and the hours of what is known of it. Looks count from mixing.
    """
    if not readings and not looked:
        return ()
    mixed = _mixed(search.lay(start, fixed))
    told = tuple(Reading(search.clock.hours(each.at) - mixed, each.kind, each.value, each.sure) for each in readings)
    for index, each in enumerate(told):
        check(each, f"readings.{index}")
    odd = doubts(told)
    doubted = {doubt.index for doubt in odd}
    sound = tuple(each for index, each in enumerate(told) if index not in doubted)
    for reading in _telling(tuple(each for each in sound if each.kind == "dough_c")):
        _as_warm_as_read(search, start, fixed, mixed, reading)
    rises = tuple(each for each in sound if each.kind != "dough_c")
    if rises or looked:
        _as_lively_as_read(search, start, fixed, mixed, rises, looked)
    return odd


def _mixed(laid: Laid) -> float:
    runs = (*laid.trunk, *laid.parts[0])
    return next(run.start for run in runs if run.filled.kind == "mix")


def _telling(warm: tuple[Reading, ...]) -> tuple[Reading, ...]:
    """Of many temperatures the one just after mixing and the latest: each says where the room stands now."""
    early = tuple(each for each in warm if each.at_h <= SOON_AFTER_H)
    late = tuple(each for each in warm if each.at_h > SOON_AFTER_H)
    return (*early[-1:], *late[-1:])


def _as_warm_as_read(search: Laying, start: float, fixed: dict[str, float], mixed: float, reading: Reading) -> None:
    """A temperature corrects where the dough began, or else how warm the room is; nothing of the leaven.

    A dough follows its room in straight proportion, so two rooms tell of all.
    """
    if reading.at_h <= SOON_AFTER_H:
        search.asked = replace(search.asked, dough_c=reading.value)
        search.ground = replace(search.ground, dough_c=reading.value)
        search.laid = {}
        return
    clock = search.clock

    def off(more_k: float) -> float | None:
        _in_room(search, _shifted(clock, more_k))
        found = _dough_c(search.lay(start, fixed), mixed + reading.at_h)
        return None if found is None else found - reading.value

    at_first, warmer = off(0.0), off(1.0)
    more_k = 0.0
    if at_first is not None and warmer is not None and warmer - at_first > LEAST_PER_K:
        more_k = float(np.clip(-at_first / (warmer - at_first), -MOST_ROOM_K, MOST_ROOM_K))
    _in_room(search, _shifted(clock, more_k))


def _in_room(search: Laying, clock: Clock) -> None:
    search.clock = clock
    search.ground = replace(search.ground, clock=clock)
    search.laid = {}


def _shifted(clock: Clock, more_k: float) -> Clock:
    room = clock.room
    return replace(clock, room=replace(room, day_c=room.day_c + more_k, night_c=room.night_c + more_k))


def _dough_c(laid: Laid, at: float) -> float | None:
    """The dough's temperature at a time while it is whole; None once it is shaped, where it tells of its pieces."""
    run = _run_at((*laid.trunk, *laid.parts[0]), at)
    if run is None or run.trace is None:
        return None
    return float(np.interp(at - run.start, run.trace.hours, run.trace.dough_c))


def _run_at(runs: tuple[Run, ...], at: float) -> Run | None:
    """The stage in which a time falls, or the last that ferments before it."""
    return next((run for run in reversed(runs) if run.trace is not None and run.start <= at), None)


def _as_lively_as_read(
    search: Laying, start: float, fixed: dict[str, float], mixed: float, rises: tuple[Reading, ...],
    looked: tuple[Looked, ...],
) -> None:  # fmt: skip
    """The dough's leaven believed as lively as what was read of its rise tells."""
    prior = search.asked.belief
    likely = search.lay(start, fixed)
    lengths = {run.filled.id: run.hours for run in (*likely.trunk, *likely.parts[0])}
    wide = search.lay(start, {**lengths, **fixed}, grid(prior))
    runs = (*wide.trunk, *wide.parts[0])

    def rise_at(hours: float) -> Floats:
        run = _run_at(runs, mixed + hours)
        if run is None or run.trace is None:
            return np.zeros(len(grid(prior)))
        at = mixed + hours - run.start
        rise: Floats = np.array([np.interp(at, run.trace.hours, column) for column in run.trace.rise.T])
        return rise

    def as_a_rise(reading: Reading) -> Reading:
        """A shaped dough that was judged ready stood at its proof's target."""
        run = _run_at(runs, mixed + reading.at_h)
        if reading.kind != "ready" or run is None or run.filled.kind != "proof":
            return reading
        return replace(reading, value=rise_aimed_at(search.batches[0]))

    search.belief = update(tuple(as_a_rise(each) for each in rises), rise_at, prior, looked)
    search.batches = [
        replace(batch, makeup=replace(batch.makeup, liveliness=batch.makeup.liveliness * search.belief.likely))
        for batch in search.batches
    ]
    search.laid = {}
