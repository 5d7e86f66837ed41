"""A dough carried forward through the stages of a method, for every activity of its leaven side by side."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.ask import Kitchen
from gentle_crust.core.course.fill import Batch, Filled
from gentle_crust.core.course.method import Place, Series
from gentle_crust.core.fermentation.engine import (
    Leg,
    State,
    Trace,
    begin,
    crossings,
    first_crossing,
    handled,
    rise_of,
    run,
)
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.room import step_h
from gentle_crust.core.fermentation.targets import bulk_bounds, bulk_rise, share_of_greatest
from gentle_crust.core.fermentation.uncertainty import ONE

LONGEST_H = 120.0
"""So long a dough is followed for its rise or its proof."""
SHORTEST_H, A_MOMENT_H = 1 / 60, 1e-4
STEPS_H = ((4.0, 1 / 12), (12.0, 1 / 6), (24.0, 1 / 4), (48.0, 1 / 2), (LONGEST_H, 1.0))
"""How far a dough is followed, and in which steps: the same steps whatever was thought of it before."""
FURTHER = 1.4
"""So much further than it takes a dough is followed: what it does after is looked at, too."""
FOLDS_NEED_H = 0.2
"""A fold nearer to the end of its stage than this is not made any more."""
CLOSEST_FOLDS_H = 1 / 6
STOPS = 9
USUAL_PROOF_SHARE, USUAL_PROOF_H = 0.35, (0.6, 1.5)
"""A yeasted dough's proof beside its bulk, and the bounds of that, h: bulk leaves so much to come (practice)."""
FURTHEST_BULK = 0.65
"""What of what it can hold a bulk may reach, if no proof of its own finishes what it left (practice)."""
COLD_FOLLOWS = 0.15
"""What of its least rise a bulk must have in the room if it goes on in the cold (practice)."""
LONGEST_WARMING_H = 12.0
LEAST_PROOF_H = 0.75
"""And a levain dough's, if it was in the fridge on the way (practice)."""
SHELF_K = {"top": 2.0, "middle": 0.0, "bottom": -1.0}
"""A fridge's shelves against its middle, K (practice)."""
OVEN_OFF_C, PROOFER_C, OUTDOORS_C = 26.0, 26.0, 8.0
"""An oven that is off, its lamp or a bowl of hot water in it; a proofer that nobody set; out of doors (practice)."""
AT_THE_BENCH = ("divide", "preshape", "shape", "finish", "score")
BENCH_STEP_H = 1 / 6
PRESSED = {"divide": "divide", "knock_back": "knock_back", "fold": "fold"}
"""What hands do to the gas as such a stage begins; shaping does at its end."""


@dataclass(frozen=True)
class Ground:
    """Where a course goes on: kitchen and clock, what the dough leaves the bowl with (C), activities of its leaven."""

    kitchen: Kitchen
    clock: Clock
    dough_c: float
    factors: Floats = field(default_factory=lambda: ONE)

    def air_c(self, place: Place, at: Floats, since: float) -> Floats:
        """Warmth around a dough at times ``at`` (hours from the clock's origin) of a stage that began at ``since``."""
        name, kitchen = place.name, self.kitchen
        if name == "room":
            return self.clock.room_c(at)
        if name == "path":
            ends = np.cumsum([hours for hours, _ in place.path])
            warmth = np.array([ambient for _, ambient in place.path])
            found: Floats = warmth[np.minimum(np.searchsorted(ends, at - since), len(warmth) - 1)]
            return found
        return np.full(len(at), steady_c(place, kitchen, self.dough_c))


def steady_c(place: Place, kitchen: Kitchen, dough_c: float) -> float:
    """Warmth of a place that is as warm by day as by night, C."""
    if place.name == "fridge":
        return kitchen.room.fridge_c + SHELF_K[place.shelf]
    if place.name == "proofer":
        return PROOFER_C if kitchen.proofer_c is None else kitchen.proofer_c
    if place.name == "outdoors":
        return OUTDOORS_C if kitchen.outdoors_c is None else kitchen.outdoors_c
    return dough_c if place.name == "bath" else OVEN_OFF_C


@dataclass(frozen=True)
class Run:
    """One stage as it goes: hours from the clock's origin, the dough as it begins and as it ends.

    ``reached``: whether what ends it came about; ``folds`` are times of folds; ``holds`` is the greatest rise that the
    dough can hold as it stands.
    """

    filled: Filled
    start: float
    end: float
    before: State | None
    after: State | None
    trace: Trace | None
    holds: float
    reached: bool = True
    folds: tuple[float, ...] = ()

    @property
    def hours(self) -> float:
        """How long it takes."""
        return self.end - self.start


@dataclass(frozen=True)
class Standing:
    """How far along its path a dough is: the dough, its grams in one piece, whether it is shaped, what time it is."""

    at: float
    state: State | None = None
    piece_g: float = 0.0
    shaped: bool = False
    baked: bool = False


Ways = tuple[tuple[Filled, ...], ...]
"""What comes after a stage: one way on for each part."""
Fixed = Mapping[str, float]
"""Hours that stages take, by their id: settled by the baker, by a search or by what happened."""


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
    state, holds = _state(now), batch.holds_shaped if now.shaped else batch.holds_bulk
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
    if each.kind == "cool" and each.stage.until is None:
        return 0.0
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
    waits = _Waiting(ground, batch, each, replace(now, shaped=shaped), state, holds)
    hours, reached, seen = _ends(waits, fixed, rest, about)
    folds = waits.folds(hours)
    as_wished = folds == waits.folds(None)
    trace = seen.until(hours) if seen is not None and as_wished else waits.run(hours, folds)
    end, after = now.at + hours, trace.end()
    went = Run(each, now.at, end, state, after, trace, holds, reached, tuple(now.at + fold for fold in folds))
    return went, Standing(end, after, now.piece_g, shaped)


@dataclass(frozen=True)
class _Waiting:
    """A stage that waits, as it begins."""

    ground: Ground
    batch: Batch
    each: Filled
    now: Standing
    state: State
    holds: float

    def run(self, hours: float, folds: tuple[float, ...] | None = None) -> Trace:
        """The dough for so long; folded as it is wished if ``folds`` (hours into the stage) are not given."""
        step = next((step for within, step in STEPS_H if hours <= within + 1e-9), STEPS_H[-1][1])
        steps = max(int(np.ceil(hours / step - 1e-6)), 2)
        middles = self.now.at + (np.arange(steps) + 0.5) * hours / steps
        air = self.ground.air_c(self.each.place, middles, self.now.at)
        wished = self.folds(None) if folds is None else folds
        leg = Leg(hours, air, self.container, self.now.piece_g, self.holds, wished)
        return run(self.batch.makeup, self.state, leg, self.ground.factors)

    def folds(self, hours: float | None) -> tuple[float, ...]:
        """When it is folded, hours into it, if it lasts so long (None: long enough); filled folds when one is awake."""
        found = folds_h(self.each.stage.folds or (), hours)
        return folds_awake(self.ground.clock, self.now.at, found) if "folds" in dict(self.each.why) else found

    @property
    def container(self) -> str:
        """What the dough stands in."""
        if self.each.stage.container:
            return self.each.stage.container
        if not self.now.shaped:
            divided = self.now.piece_g < 0.9 * self.batch.dough_g or self.each.kind == "bench_rest"
            return "tray" if divided else "covered_bowl"
        shape = self.batch.formula.shape
        return {"pan_loaf": "tin", "baguette": "couche", "slipper": "couche", "flat_round": "tray", "roll": "tray"}.get(
            shape, "banneton"
        )


def folds_h(wished: tuple[Series, ...], hours: float | None) -> tuple[float, ...]:
    """When each fold falls, hours into its stage; in one of ``hours`` closer together, or fewer, as they find room."""
    times: list[float] = []
    for series in wished:
        gap = sum(series.gap_min) / 2
        first = max(series.first_min, 60 * times[-1] + gap if times else 0.0)
        times += [(first + gap * place) / 60 for place in range(series.count)]
    if hours is None or not times or times[-1] <= hours - FOLDS_NEED_H:
        return tuple(times)
    room_h = hours - FOLDS_NEED_H
    closest = max(min(min(series.gap_min) for series in wished if series.count) / 60, CLOSEST_FOLDS_H)
    closest = min(closest, times[1] - times[0]) if len(times) > 1 else closest
    stated = any(series.gap_min[0] != series.gap_min[1] for series in wished)
    least = closest if stated else CLOSEST_FOLDS_H
    gap_h = max(room_h / (len(times) + 0.5), least)
    squeezed = (min(times[0], gap_h) + gap_h * place for place in range(len(times)))
    return tuple(at for at in squeezed if at <= room_h)


def folds_awake(clock: Clock, start: float, folds: tuple[float, ...]) -> tuple[float, ...]:
    """Folds that nobody asked for, drawn together so that they are done by bedtime; what finds no room is left out."""
    asleep = [fold for fold in folds if clock.asleep_min(start + fold, start + fold + 1 / 20) > 0]
    if not asleep:
        return folds
    bed = (clock.nights.start_h - clock.local_hour_at(start)) % 24
    awake = tuple(fold for fold in folds if fold not in asleep)
    if bed > folds[-1] or bed < 2 * FOLDS_NEED_H:
        return awake
    gap = max((bed - FOLDS_NEED_H) / len(folds), CLOSEST_FOLDS_H)
    return tuple(gap * (n + 1) for n in range(len(folds)) if gap * (n + 1) <= bed - FOLDS_NEED_H / 2)


def _until_hour(clock: Clock, at: float, hour: float) -> float:
    """Hours from ``at`` to the next time that it is ``hour`` of the local day."""
    return max((hour - clock.local_hour_at(at)) % 24, SHORTEST_H)


def _ends(waits: _Waiting, fixed: Fixed, rest: Ways, about: dict[str, float]) -> tuple[float, bool, Trace | None]:
    """Hours until a waiting stage ends, and whether what ends it comes about."""
    each, until = waits.each, waits.each.until
    if each.id in fixed:
        return max(fixed[each.id], SHORTEST_H), True, None
    if until.way == "span":
        return max(sum(until.minutes) / 120, SHORTEST_H), True, None
    if until.way == "at":
        return _until_hour(waits.ground.clock, waits.now.at, until.value), True, None
    within = _followed_h(about.get(each.id, 4.0 if each.kind == "bulk" else 2.5))
    while True:
        trace = waits.run(within)
        values = _measure(waits, trace)
        found = first_crossing(trace.hours, values, 0.0)
        if np.isnan(found) and within < LONGEST_H:
            within = next(each_h for each_h, _ in STEPS_H if each_h > within)
        elif not np.isnan(found) and _followed_h(found) < within:
            # As finely as if it had been known: what was thought before changes nothing.
            within = _followed_h(found)
        else:
            break
    if np.isnan(found) and until.way != "dough_c" and _followed_h(float(trace.hours[values.argmax()])) < LONGEST_H:
        trace = waits.run(_followed_h(float(trace.hours[values.argmax()])))
        values = _measure(waits, trace)
    nearly = waits.batch.target.low - waits.batch.target.aim
    if np.isnan(found) and waits.now.shaped and until.way in ("ready", "judged") and values.max() >= nearly:
        return max(float(trace.hours[values.argmax()]), SHORTEST_H), True, trace
    if np.isnan(found) and until.way == "dough_c":
        return min(max(float(trace.hours[values.argmax()]), 0.5), LONGEST_WARMING_H), False, trace
    if np.isnan(found):
        return max(float(trace.hours[values.argmax()]), 0.5), False, trace
    if is_solved(each):
        found = min(_stopped(waits, trace, found, way, fixed) for way in rest)
    return max(found, SHORTEST_H), True, trace if found <= float(trace.hours[-1]) else None


def _followed_h(about_h: float) -> float:
    """How far a dough is followed that takes about so long, h."""
    return next((within for within, _ in STEPS_H if within > FURTHER * about_h), LONGEST_H)


def _measure(waits: _Waiting, trace: Trace) -> Floats:
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


def usual_rise(batch: Batch, dough_c: Floats) -> Floats:
    """Rise at which a bulk of this dough is usually stopped, by its temperature then, within its school's bounds."""
    low, high = bulk_bounds(batch.leaven, batch.school)
    wanted: Floats = np.minimum(np.clip(bulk_rise(batch.leaven, dough_c), low, high), 0.5 * batch.holds_bulk)
    return wanted


def least_rise(batch: Batch) -> float:
    """The least rise at which this dough's bulk is stopped: below it, it has hardly fermented."""
    return min(bulk_bounds(batch.leaven, batch.school)[0], 0.35 * batch.holds_bulk)


def _stopped(waits: _Waiting, trace: Trace, usual_h: float, rest: tuple[Filled, ...], fixed: Fixed) -> float:
    """When a bulk is stopped so that what comes after it comes out right.

    A proof that ends by itself finishes what bulk leaves to it; a yeasted dough's bulk leaves it its usual length.
    Where nothing after it ends by itself, bulk is stopped where the whole way to the oven comes out right.
    """
    to_oven = _to_oven(rest)
    ending = next((i for i, each in enumerate(to_oven) if ends_itself(each)), None)
    low, high = bulk_bounds(waits.batch.leaven, waits.batch.school)
    high = min(high, 0.5 * waits.batch.holds_bulk)
    low = min(low, 0.7 * high)
    chained = _chained(to_oven)
    if ending is None:
        if not any(_ferments(each) for each in to_oven):
            return _landing(waits, trace, (low, 0.9 * waits.batch.holds_bulk), to_oven, fixed)
        furthest = max(high, FURTHEST_BULK * waits.batch.holds_bulk)
        return _landing(waits, trace, (COLD_FOLLOWS * low if chained else low, furthest), to_oven, fixed)
    stop = usual_h
    if chained:
        low *= COLD_FOLLOWS
        stop = _on_the_way(waits, trace, low, usual_h, to_oven[:chained], fixed)
    held_cold = any(each.cold and each.stage.minutes is None for each in to_oven[:ending])
    if to_oven[ending].until.way in ("ready", "judged") and (waits.batch.leaven == "yeast" or held_cold):
        return _leaving_a_proof(waits, trace, low, stop, to_oven[: ending + 1], fixed)
    return stop


def _state(standing: Standing) -> State:
    """The dough that stands there. Raises AssertionError before it is mixed."""
    if standing.state is None:
        raise AssertionError("nothing is mixed yet")
    return standing.state


def _rise(batch: Batch, standing: Standing) -> Floats:
    return rise_of(batch.makeup, _state(standing))


def _to_oven(rest: tuple[Filled, ...]) -> tuple[Filled, ...]:
    """What lies between here and the oven."""
    end = next((i for i, each in enumerate(rest) if each.kind == "bake"), len(rest))
    return rest[:end]


def is_solved(each: Filled) -> bool:
    """Whether a stage ends where what comes after it comes out right."""
    return each.kind == "bulk" and each.until.way in ("ready", "judged")


def ends_itself(each: Filled) -> bool:
    """Whether a stage goes on until the dough is where it should be."""
    return each.stage.minutes is None and each.until.way in ("ready", "judged", "rise", "share")


def _ferments(each: Filled) -> bool:
    return each.stage.minutes is None and each.kind in ("bulk", "proof", "keep", "warm_up")


def _chained(to_oven: tuple[Filled, ...]) -> int:
    """How many stages of waiting follow at once, before hands divide or shape the dough."""
    count = 0
    for each in to_oven:
        if each.kind not in ("bulk", "keep") or ends_itself(each):
            break
        count += 1
    return count


def _stops(waits: _Waiting, trace: Trace, low: float, high: float) -> Floats:
    """Hours at which a bulk might be stopped, between two rises."""
    rise = trace.rise[:, trace.rise.shape[1] // 2]
    first, last = first_crossing(trace.hours, rise, low), first_crossing(trace.hours, rise, high)
    top = float(trace.hours[rise.argmax()])
    first = top if np.isnan(first) else first
    last = top if np.isnan(last) else last
    found: Floats = np.linspace(first, max(last, first + 0.05), STOPS)
    return np.minimum(found, float(trace.hours[-1]))


def _side_by_side(waits: _Waiting, trace: Trace, stops: Floats) -> tuple[Ground, Standing]:
    """The dough stopped at each of ``stops``, as columns of one, at the temperature of the middle one."""
    states = [_likely(trace.at(float(stop))) for stop in stops]

    def columns(name: str) -> Floats:
        found: Floats = np.concatenate([getattr(state, name) for state in states])
        return found

    side_by_side = replace(
        states[len(states) // 2],
        yeast=columns("yeast"),
        bacteria=columns("bacteria"),
        bakers_yeast_g=columns("bakers_yeast_g"),
        made_ml=columns("made_ml"),
        kept_ml=columns("kept_ml"),
    )
    at = waits.now.at + float(stops[len(stops) // 2])
    standing = replace(waits.now, at=at, state=side_by_side)
    return replace(waits.ground, factors=np.ones(len(stops))), standing


def _likely(state: State) -> State:
    """The likely column of a state alone."""
    middle = len(state.yeast) // 2
    pick = slice(middle, middle + 1)
    return replace(
        state, yeast=state.yeast[pick], bacteria=state.bacteria[pick], bakers_yeast_g=state.bakers_yeast_g[pick],
        made_ml=state.made_ml[pick], kept_ml=state.kept_ml[pick],
    )  # fmt: skip


def _landing(
    waits: _Waiting, trace: Trace, bounds: tuple[float, float], to_oven: tuple[Filled, ...], fixed: Fixed
) -> float:
    """The stop, between two rises, with which the dough meets the oven at its target; the nearest where none does."""
    trace = _long_enough(waits, trace, bounds[1])
    stops = _stops(waits, trace, *bounds)
    ground, standing = _side_by_side(waits, trace, stops)
    _, after = walk(ground, waits.batch, to_oven, standing, fixed)
    shares = share_of_greatest(_rise(waits.batch, after), waits.batch.holds_shaped)
    if shares.max() < waits.batch.target.aim:
        return float(stops[shares.argmax()])
    return float(np.interp(waits.batch.target.aim, np.maximum.accumulate(shares), stops))


def _long_enough(waits: _Waiting, trace: Trace, rise: float) -> Trace:
    """The trace, longer if it ends before its dough has come to a rise and may yet."""
    likely = trace.rise[:, trace.rise.shape[1] // 2]
    if likely.max() >= rise or float(trace.hours[-1]) >= LONGEST_H:
        return trace
    return waits.run(next(within for within, _ in STEPS_H if within > float(trace.hours[-1]) + 1e-6))


def _on_the_way(
    waits: _Waiting, trace: Trace, low: float, usual_h: float, chain: tuple[Filled, ...], fixed: Fixed
) -> float:
    """The stop with which a dough that goes on in the cold has its usual rise when it is divided."""
    rise = trace.rise[:, trace.rise.shape[1] // 2]
    first = first_crossing(trace.hours, rise, low)
    if np.isnan(first) or first >= usual_h:
        return usual_h
    stops = np.linspace(first, usual_h, STOPS)
    ground, standing = _side_by_side(waits, trace, stops)
    _, after = walk(ground, waits.batch, chain, standing, fixed)
    wanted = float(usual_rise(waits.batch, np.array([22.0]))[0])
    reached = np.maximum.accumulate(_rise(waits.batch, after))
    return float(np.interp(wanted, reached, stops))


def usual_proof_h(bulk_h: float) -> float:
    """What a yeasted dough's proof takes at least, beside a bulk of ``bulk_h``."""
    return float(np.clip(USUAL_PROOF_SHARE * bulk_h, *USUAL_PROOF_H))


def _leaving_a_proof(
    waits: _Waiting, trace: Trace, low: float, usual_h: float, to_proof: tuple[Filled, ...], fixed: Fixed
) -> float:
    """The latest stop of a bulk that leaves its proof the usual length; the earliest where none leaves enough.

    What bulk and proof make together is bounded by what the shaped dough can hold: the more bulk takes, the less the
    proof has.
    """
    rise = trace.rise[:, trace.rise.shape[1] // 2]
    first = first_crossing(trace.hours, rise, low)
    if np.isnan(first) or first >= usual_h:
        return usual_h
    stops = np.linspace(first, usual_h, STOPS)
    ground, standing = _side_by_side(waits, trace, stops)
    _, shaped = walk(ground, waits.batch, to_proof[:-1], standing, fixed)
    longest = usual_proof_h(usual_h) * 2
    proof = _Waiting(
        ground, waits.batch, to_proof[-1], replace(shaped, shaped=True), _state(shaped), waits.batch.holds_shaped
    )
    went = proof.run(longest, ())
    ready = crossings(went.hours, share_of_greatest(went.rise, waits.batch.holds_shaped), waits.batch.target.aim)
    least = [usual_proof_h(float(stop)) if waits.batch.leaven == "yeast" else LEAST_PROOF_H for stop in stops]
    spare = np.where(np.isnan(ready), longest, ready) - np.array(least)
    if spare[0] <= 0:
        return float(stops[0])
    return float(np.interp(0.0, np.minimum.accumulate(spare)[::-1], stops[::-1]))


def share_at_load(batch: Batch, runs: tuple[Run, ...]) -> float | None:
    """Likely share of its greatest volume with which a dough meets the oven; None if it is not baked."""
    loaded = next((run for run in runs if run.filled.bake), None)
    if loaded is None or loaded.before is None:
        return None
    rise = rise_of(batch.makeup, loaded.before)
    return float(share_of_greatest(rise, batch.holds_shaped)[len(rise) // 2])
