"""A dough carried forward through the stages of a method, for every activity of its leaven side by side."""

from dataclasses import replace

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.fill import Batch, Filled
from gentle_crust.core.course.places import Ground
from gentle_crust.core.course.standing import Fixed, Run, Standing, Ways, is_solved, state_of
from gentle_crust.core.course.stops import stopped
from gentle_crust.core.course.targets import usual_rise
from gentle_crust.core.course.waiting import LONGEST_H, STEPS_H, Waiting, followed_h
from gentle_crust.core.fermentation.crossing import first_crossing
from gentle_crust.core.fermentation.engine import Leg, State, Trace, begin, handled, run
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.room import step_h
from gentle_crust.core.fermentation.targets import share_of_greatest

SHORTEST_H, A_MOMENT_H = 1 / 60, 1e-4
LONGEST_WARMING_H = 12.0
AT_THE_BENCH = ("divide", "preshape", "shape", "finish", "score")
BENCH_STEP_H = 1 / 6
PRESSED = {"divide": "divide", "knock_back": "knock_back", "fold": "fold"}
"""What hands do to the gas as such a stage begins; shaping does at its end."""


def walk(
    ground: Ground, batch: Batch, stages: tuple[Filled, ...], standing: Standing, fixed: Fixed,
    beyond: Ways = ((),), about: dict[str, float] | None = None,
) -> tuple[tuple[Run, ...], Standing]:  # fmt: skip
    """Carry a dough through ``stages`` from ``standing`` on: each stage as it goes, and how the dough stands then.

    ``fixed`` are hours of stages by id; a hold that is not in it takes the middle of what it may. ``beyond`` are the
    ways on from these stages, which a bulk must leave something for. ``about`` remembers how long stages took.
    """
    runs: list[Run] = []
    learnt = {} if about is None else about
    place = 0
    while place < len(stages):
        bench = _bench(stages[place:], standing, fixed)
        if len(bench) > 1:
            together, standing = _at_the_bench(ground, batch, bench, standing, fixed)
            runs += together
            learnt |= {each.filled.id: each.hours for each in together}
        else:
            rest = tuple((*stages[place + 1 :], *way) for way in beyond)
            went, standing = _stage(ground, batch, stages[place], standing, fixed, rest, learnt)
            learnt[stages[place].id] = went.hours
            runs.append(went)
        place += max(len(bench), 1)
    return tuple(runs), standing


def _bench(stages: tuple[Filled, ...], standing: Standing, fixed: Fixed) -> tuple[Filled, ...]:
    """The stages that hands go through at the bench without a pause, up to the shaping, if the next are such."""
    found: list[Filled] = []
    if standing.state is None or standing.baked:
        return ()
    for each in stages:
        rests = each.kind == "bench_rest" and each.until.way == "span" and each.place.name == "room"
        plain = not each.stage.folds and each.stage.container is None
        works = each.kind in AT_THE_BENCH and each.stage.minutes is not None and (each.kind != "divide" or not found)
        if not plain or not (rests or works) or fixed.get(each.id, 1.0) < A_MOMENT_H:
            break
        found.append(each)
        if each.kind == "shape":
            break
    return tuple(found)


def _at_the_bench(
    ground: Ground, batch: Batch, bench: tuple[Filled, ...], now: Standing, fixed: Fixed
) -> tuple[list[Run], Standing]:
    """Dividing, resting and shaping as one stretch of time in the room, told stage by stage."""
    state, holds = state_of(now), batch.holds_shaped if now.shaped else batch.holds_bulk
    piece = min(now.piece_g, batch.piece_g) if bench[0].kind == "divide" else now.piece_g
    if bench[0].kind == "divide":
        state = handled(batch.makeup, state, PRESSED["divide"])
    hours = [max(fixed.get(each.id, each.work_min / 60 or sum(each.until.minutes) / 120), SHORTEST_H) for each in bench]
    total = sum(hours)
    steps = max(int(np.ceil(total / BENCH_STEP_H)), 2)
    air = ground.clock.room_c(now.at + (np.arange(steps) + 0.5) * total / steps)
    trace = run(batch.makeup, state, Leg(total, air, "tray", piece, holds), ground.factors)
    runs, at = [], 0.0
    for each, took in zip(bench, hours, strict=True):
        part = trace.until(min(at + took, total)).since(at) if at else trace.until(min(took, total))
        after = part.end()
        if each.kind == "shape":
            after = handled(batch.makeup, after, batch.shaping)
        runs.append(Run(each, now.at + at, now.at + at + took, state, after, part, holds))
        at, state = at + took, after
    shaped = now.shaped or bench[-1].kind == "shape"
    return runs, Standing(now.at + total, state, min(piece, batch.piece_g) if shaped else piece, shaped)


def _stage(
    ground: Ground, batch: Batch, each: Filled, now: Standing, fixed: Fixed, rest: Ways,
    about: dict[str, float],
) -> tuple[Run, Standing]:  # fmt: skip
    holds = batch.holds_shaped if now.shaped else batch.holds_bulk
    if each.kind == "mix" and now.state is None:
        now = replace(now, state=begin(batch.makeup, ground.dough_c, len(ground.factors)), piece_g=batch.dough_g)
    if now.state is None or now.baked or each.bake is not None:
        hours = _unfermented_h(each, now.at, ground, fixed)
        end = now.at + hours
        return Run(each, now.at, end, now.state, now.state, None, holds), replace(
            now, at=end, baked=now.baked or each.bake is not None
        )
    state = now.state
    piece = min(now.piece_g, batch.piece_g) if each.kind in ("divide", "shape") else now.piece_g
    if each.kind in PRESSED:
        state = handled(batch.makeup, state, PRESSED[each.kind])
    now = replace(now, piece_g=piece)
    if fixed.get(each.id, 1.0) < A_MOMENT_H:
        return _at_once(batch, each, now, state, holds)
    if each.stage.minutes is not None:
        return _worked(ground, batch, each, now, state, holds, fixed)
    return _waited(ground, batch, each, now, state, holds, fixed, rest, about)


def _unfermented_h(each: Filled, at: float, ground: Ground, fixed: Fixed) -> float:
    """How long a stage takes in which nothing ferments: before mixing, in the oven and after it."""
    if each.id in fixed:
        return fixed[each.id]
    if each.bake is not None:
        return each.bake.all_min / 60
    if each.until.way == "at":
        return _until_hour(ground.clock, at, each.until.value)
    low, high = each.until.minutes
    return each.work_min / 60 if each.stage.minutes is not None else (low + high) / 120


def _at_once(batch: Batch, each: Filled, now: Standing, state: State, holds: float) -> tuple[Run, Standing]:
    """A stage that took no time."""
    shaped = now.shaped or each.kind in ("shape", "proof")
    after = handled(batch.makeup, state, batch.shaping) if each.kind == "shape" else state
    return Run(each, now.at, now.at, state, after, None, holds), replace(now, state=after, shaped=shaped)


def _worked(
    ground: Ground, batch: Batch, each: Filled, now: Standing, state: State, holds: float, fixed: Fixed
) -> tuple[Run, Standing]:
    """Hands at the dough: time passes in the room; a dough in the mixer stays as warm as it is to become."""
    hours = max(fixed.get(each.id, each.work_min / 60), SHORTEST_H)
    mixing = each.kind in ("mix", "knead")
    steps = max(int(np.ceil(hours / step_h(ground.factors))), 2)
    middles = now.at + (np.arange(steps) + 0.5) * hours / steps
    air = np.full(steps, ground.dough_c) if mixing else ground.clock.room_c(middles)
    if each.kind == "knead":
        state = replace(state, nodes_c=np.full_like(state.nodes_c, ground.dough_c))
    container = "covered_bowl" if mixing or each.kind in ("fold", "knock_back") else "tray"
    trace = run(batch.makeup, state, Leg(hours, air, container, now.piece_g, holds), ground.factors)
    after = trace.end()
    shaped = now.shaped or each.kind == "shape"
    if each.kind == "shape":
        after = handled(batch.makeup, after, batch.shaping)
    end = now.at + hours
    return Run(each, now.at, end, state, after, trace, holds), Standing(end, after, now.piece_g, shaped)


def _waited(
    ground: Ground, batch: Batch, each: Filled, now: Standing, state: State, holds: float, fixed: Fixed,
    rest: Ways, about: dict[str, float],
) -> tuple[Run, Standing]:  # fmt: skip
    """A dough left to itself until what ends the stage."""
    shaped = now.shaped or each.kind == "proof"
    holds = batch.holds_shaped if shaped else holds
    waits = Waiting(ground, batch, each, replace(now, shaped=shaped), state, holds)
    hours, reached, seen = _ends(waits, fixed, rest, about)
    folds = waits.folds(hours)
    as_wished = folds == waits.folds(None)
    trace = seen.until(hours) if seen is not None and as_wished else waits.run(hours, folds)
    end, after = now.at + hours, trace.end()
    went = Run(each, now.at, end, state, after, trace, holds, reached, tuple(now.at + fold for fold in folds))
    return went, Standing(end, after, now.piece_g, shaped)


def _until_hour(clock: Clock, at: float, hour: float) -> float:
    """Hours from ``at`` to the next time that it is ``hour`` of the local day."""
    return max((hour - clock.local_hour_at(at)) % 24, SHORTEST_H)


def _ends(waits: Waiting, fixed: Fixed, rest: Ways, about: dict[str, float]) -> tuple[float, bool, Trace | None]:
    """Hours until a waiting stage ends, and whether what ends it comes about."""
    each, until = waits.each, waits.each.until
    if each.id in fixed:
        return max(fixed[each.id], SHORTEST_H), True, None
    if until.way == "span":
        return max(sum(until.minutes) / 120, SHORTEST_H), True, None
    if until.way == "at":
        return _until_hour(waits.ground.clock, waits.now.at, until.value), True, None
    within = followed_h(about.get(each.id, 4.0 if each.kind == "bulk" else 2.5))
    tried: set[float] = set()
    while True:
        trace = waits.run(within)
        values = _measure(waits, trace)
        found = first_crossing(trace.hours, values, 0.0)
        tried.add(within)
        if np.isnan(found) and within < LONGEST_H:
            within = next(each_h for each_h, _ in STEPS_H if each_h > within)
        elif not np.isnan(found) and followed_h(found) != within and followed_h(found) not in tried:
            # As finely as if it had been known: what was thought before changes nothing.
            within = followed_h(found)
        else:
            # What is just missed in fine steps and reached in coarse ones is told by those.
            break
    if np.isnan(found) and until.way != "dough_c" and followed_h(_highest_h(trace, values)) < LONGEST_H:
        trace = waits.run(followed_h(_highest_h(trace, values)))
        values = _measure(waits, trace)
    nearly = waits.batch.target.low - waits.batch.target.aim
    if np.isnan(found) and waits.now.shaped and until.way in ("ready", "judged") and values.max() >= nearly:
        return max(_highest_h(trace, values), SHORTEST_H), True, trace
    if np.isnan(found) and until.way == "dough_c":
        return min(max(_highest_h(trace, values), 0.5), LONGEST_WARMING_H), False, trace
    if np.isnan(found):
        return max(_highest_h(trace, values), 0.5), False, trace
    if is_solved(each):
        found = min(stopped(waits, trace, found, way, fixed, walk) for way in rest)
    return max(found, SHORTEST_H), True, trace if found <= float(trace.hours[-1]) else None


def _highest_h(trace: Trace, values: Floats) -> float:
    """Hours until ``values`` are highest, between the steps by a parabola: so it moves smoothly with what moves it."""
    at = int(values.argmax())
    if not 0 < at < len(values) - 1:
        return float(trace.hours[at])
    before, highest, after = (float(each) for each in values[at - 1 : at + 2])
    bend = before - 2 * highest + after
    step = float(trace.hours[at + 1] - trace.hours[at])
    return float(trace.hours[at]) + (0.5 * (before - after) / bend * step if bend < 0 else 0.0)


def _measure(waits: Waiting, trace: Trace) -> Floats:
    """What is looked at, less what ends the stage: it ends as this comes to nought."""
    until, middle = waits.each.until, trace.rise.shape[1] // 2
    rise = trace.rise[:, middle]
    if until.way == "dough_c":
        warms = waits.each.kind == "warm_up" or trace.dough_c[0] < until.value
        found: Floats = (trace.dough_c - until.value) if warms else (until.value - trace.dough_c)
        return found
    if until.way == "rise":
        return rise - until.value
    if until.way == "share":
        return share_of_greatest(rise, waits.holds) - until.value
    if waits.each.kind == "proof" or waits.now.shaped:
        return share_of_greatest(rise, waits.holds) - waits.batch.target.aim
    return rise - usual_rise(waits.batch, trace.dough_c)
