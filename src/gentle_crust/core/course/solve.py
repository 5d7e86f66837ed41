"""When to begin, and how long each hold: so that every part leaves the oven when it is wanted, at the least cost.

Going forward is always possible; planning turns it round. A coarse pass weighs all lengths that the holds may have by
what they would cost, at the lengths of the other stages as they were last found; an exact one then carries the dough
through the best and finds the beginning from where that ends.
"""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from datetime import datetime
from functools import lru_cache
from itertools import product

import numpy as np

from gentle_crust.core.clock import Clock, zone_of
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.baking import FilledBake, sharing
from gentle_crust.core.course.fill import Batch, Filled, FilledPath, fill
from gentle_crust.core.course.method import BESIDE
from gentle_crust.core.course.ripen import Beside, beside, leads_h, with_ripe
from gentle_crust.core.course.taken import What, minutes_taken
from gentle_crust.core.course.walk import Ground, Run, Standing, ends_itself, is_solved, share_at_load, walk
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.readings import RISES, Reading, ReadingKind, check, grid, update
from gentle_crust.core.fermentation.uncertainty import ONE, Vigour, activities
from gentle_crust.core.oven.profile import RECOVERY_MIN

NEAR_H = 0.005
"""A correction this small leaves an error of a few seconds behind it: each round shrinks it tenfold."""
ROUGHLY_H = 0.3
"""So near is near enough to weigh one choice against another."""
NEARLY_H = 1.0
"""Moved by less, a bulk is stopped as it was."""
MOST_ROUNDS, MOST_TRIES = 7, 3
SEARCHED_H = 1.0
"""A hold that may vary by less is left at its middle."""
LENGTHS = 9
MOST_CHOICES = 400
ASLEEP_STEP, ASLEEP_MIN, PAST_MIN, LATE_MIN, OFF_MIDDLE, LATER_H = 90.0, 4.0, 60.0, 3.0, 20.0, 8.0
"""What is paid for: a step in the baker's sleep, a minute of it, a minute before now, a minute off the time wanted, a
hold at its end instead of its middle, an hour later than could be."""
TAKEN_STEP, TAKEN_MIN = 90.0, 2.0
"""And for the oven, or a third of it for hands, that another dough has."""
SOON_H = 36.0
SOON_STEPS_H = (1 / 6, 0.5)
FEW_CHOICES = 20
"""Beginnings that are tried for what is wanted as soon as it can be: the finer the fewer choices of holds there are."""
MOVES_H = (0.0, 0.02, 0.05, 0.1, *(step / 6 for step in range(1, 19)), -1 / 6, -1 / 3, -0.5)
"""How much later, or sooner, what is wanted soon is begun if hands are needed too early, or in the night."""
BEGINS_LATER = "begins later"
"""Key of how much later than another a part begins that has no dough in common with it, h."""
AHEAD_H, BEHIND_H = 24 * 21, 24 * 14
SOON_AFTER_H = 0.75
"""A temperature that is read so near the mixing is the one that the dough left the bowl with."""
TOUCH_H, HANDS_H = 1 / 30, 5 / 60
ONE_LOAD_H = 0.25
"""Parts that would go in so near one another go in together."""


@dataclass(frozen=True)
class PartCourse:
    """One part as it goes from where the trunk ends: its runs, and when it is wanted (None: as soon as can be).

    ``off_h``: how much later than wanted it leaves the oven. ``shares``: the part whose load it goes into.
    """

    path: FilledPath
    runs: tuple[Run, ...]
    wanted: float | None
    shares: str | None = None

    @property
    def bake(self) -> FilledBake | None:
        """Its bake."""
        return next((run.filled.bake for run in self.runs if run.filled.bake), None)

    @property
    def load(self) -> float | None:
        """When its first load goes in."""
        return next((run.start for run in self.runs if run.filled.bake), None)

    @property
    def out(self) -> float:
        """When its last loaf leaves the oven; of one that is not baked, its end."""
        return next((run.end for run in self.runs if run.filled.bake), self.runs[-1].end)

    @property
    def off_h(self) -> float:
        """How much later than it is wanted it leaves the oven, hours."""
        return 0.0 if self.wanted is None else self.out - self.wanted


@dataclass(frozen=True)
class Solved:
    """A course that was solved: the trunk, its parts, and what goes on beside them."""

    asked: Asked
    clock: Clock
    trunk: tuple[Run, ...]
    parts: tuple[PartCourse, ...]
    beside: tuple[Beside, ...]

    @property
    def runs(self) -> tuple[Run, ...]:
        """Every stage of the dough once, the trunk's first."""
        own = [run for part in self.parts for run in part.runs if run.filled.part or not self.trunk]
        return (*self.trunk, *own)

    @property
    def begins(self) -> float:
        """When the first hand is needed, hours from the clock's origin."""
        return min([run.start for run in self.runs] + [each.start for each in self.beside])


@dataclass(frozen=True)
class _Laid:
    """The trunk and each part as they go from one beginning with one choice of holds."""

    trunk: tuple[Run, ...]
    parts: tuple[tuple[Run, ...], ...]

    def outs(self) -> list[float]:
        """When each part leaves the oven."""
        return [_out(part or self.trunk) for part in self.parts]


def _out(runs: tuple[Run, ...]) -> float:
    return next((run.end for run in runs if run.filled.bake), runs[-1].end)


Lengths = dict[str, Floats]
"""Hours of holds by their id, one row a choice."""


class _Search:
    """One question: its paths, its clock, and how long each stage took when it was last carried through."""

    def __init__(self, asked: Asked) -> None:
        self.asked = asked
        self.clock = Clock(asked.now, zone_of(asked.kitchen.zone), asked.kitchen.nights, asked.kitchen.room)
        self.paths = _agreed(fill(asked))
        self.wanted = [
            None if (at := asked.ready_at(path.name)) is None else self.clock.hours(at) for path in self.paths
        ]
        first = self.paths[0]
        self.trunk = _dough(first.stages[: first.trunk]) if asked.method.parts else _dough(first.stages)
        self.tails = [_dough(path.stages[path.trunk :]) if asked.method.parts else () for path in self.paths]
        self.ground = Ground(asked.kitchen, self.clock, asked.dough_c, ONE)
        self.belief = asked.belief
        self.hands, self.oven = self._taken("hands"), self._taken("oven")
        self.about: dict[str, float] = {}
        self.laid: dict[tuple[float, tuple[tuple[str, float], ...], int], _Laid] = {}
        self.batches = [path.batch for path in self.paths]
        given = [at for at in self.wanted if at is not None]
        mix = min(given) - 10 if given else 12.0
        self.ripe_for(mix)
        self.led_for(mix)

    def _taken(self, what: What) -> tuple[Floats, Floats] | None:
        """Minutes so far at which others take something; None if nobody does."""
        if not any(each.what == what for each in self.asked.taken):
            return None
        return minutes_taken(self.asked.taken, what, self.clock, -24.0, AHEAD_H)

    def ripe_for(self, mix: float) -> None:
        """Preferments as they are in a dough that is mixed about then."""
        batches = [with_ripe(self.asked, path, self.clock, mix) for path in self.paths]
        if batches != self.batches:
            self.batches, self.laid = batches, {}

    def led_for(self, mix: float) -> None:
        """How long before a dough that is mixed about then what ripens beside it may be begun."""
        self.leads = leads_h(self.asked, self.paths[0], self.clock, mix)
        self.before_h = max((min(leads) for leads in self.leads), default=0.0)

    def as_lively_as_read(self, start: float, fixed: dict[str, float], known: "Carried") -> None:
        """The dough's leaven believed as lively as what was read of its rise tells."""
        mixed = next((run for run in self.lay(start, fixed).trunk if run.filled.kind == "mix"), None)
        rises = [each for each in known.readings if each.kind in RISES]
        if mixed is None or not rises:
            return
        prior = self.asked.belief
        told = tuple(
            Reading(self.clock.hours(each.at) - mixed.start, each.kind, each.value, each.sure) for each in rises
        )
        for index, each in enumerate(told):
            check(each, f"readings.{index}")
        lengths = {run.filled.id: run.hours for run in self.lay(start, fixed).trunk}
        wide = self.lay(start, {**lengths, **fixed}, grid(prior))

        def rise_at(hours: float) -> Floats:
            at = mixed.start + hours
            run = next(
                (run for run in reversed(wide.trunk) if run.trace is not None and run.start <= at), wide.trunk[-1]
            )
            if run.trace is None:
                return np.zeros(len(grid(prior)))
            rise: Floats = np.array([np.interp(at - run.start, run.trace.hours, column) for column in run.trace.rise.T])
            return rise

        self.belief = update(told, rise_at, prior)
        lively = self.belief.likely
        self.batches = [
            replace(batch, makeup=replace(batch.makeup, liveliness=batch.makeup.liveliness * lively))
            for batch in self.batches
        ]
        self.laid = {}

    def trunk_batch(self) -> Batch:
        """The whole dough before its pieces go different ways."""
        whole = self.batches[0].weighed.dough_g
        return replace(self.batches[0], dough_g=whole, pieces=self.asked.pieces)

    def lay(self, start: float, fixed: dict[str, float], factors: Floats = ONE) -> _Laid:
        """Carry trunk and parts through from ``start``; what was asked before is remembered."""
        key = (start, tuple(sorted(fixed.items())), len(factors))
        if key not in self.laid:
            self.laid[key] = self._lay(start, fixed, factors)
        return self.laid[key]

    def _lay(self, start: float, fixed: dict[str, float], factors: Floats) -> _Laid:
        ground = replace(self.ground, factors=factors)
        runs, standing = walk(
            ground, self.trunk_batch(), self.trunk, Standing(start), fixed, tuple(self.tails), self.about
        )
        parts = []
        for batch, tail in zip(self.batches, self.tails, strict=True):
            here = replace(standing, at=standing.at + fixed.get(f"{BEGINS_LATER} {batch.name}", 0.0))
            if here.state is not None and here.piece_g > batch.dough_g:
                here = replace(here, piece_g=batch.dough_g)
            went, _ = walk(ground, batch, tail, here, fixed, ((),), self.about)
            parts.append(went)
        return _Laid(runs, tuple(parts))

    def share(self, one: int, other: int) -> bool:
        """Whether two parts of one dough are wanted at once and go into one load."""
        first, second = self.paths[one].bake, self.paths[other].bake
        if not self.trunk or first is None or second is None or self.wanted[one] != self.wanted[other]:
            return False
        return sharing(first, second) is not None

    # What the coarse pass reckons with: lengths as they were last found.

    def lengths(self, stages: tuple[Filled, ...], holds: "Lengths") -> list["Floats | float"]:
        """Hours of each stage with these holds."""
        return [holds[each.id] if each.id in holds else self.about.get(each.id, 1.0) for each in stages]


def _dough(stages: tuple[Filled, ...]) -> tuple[Filled, ...]:
    return tuple(each for each in stages if each.kind not in BESIDE)


def _agreed(paths: tuple[FilledPath, ...]) -> tuple[FilledPath, ...]:
    """Paths whose parts may share a load take one another's oven settings."""
    found = [paths[0]]
    for path in paths[1:]:
        first = next((other for other in found if other.bake and path.bake and sharing(other.bake, path.bake)), None)
        if first is None or first.bake is None or path.bake is None:
            found.append(path)
            continue
        shared = sharing(first.bake, path.bake)
        stages = tuple(
            replace(each, bake=shared, why=shared.why) if each.bake and shared else each for each in path.stages
        )
        found.append(replace(path, stages=stages))
    return tuple(found)


def held(stages: tuple[Filled, ...]) -> tuple[Filled, ...]:
    """Holds whose length is worth looking for."""
    return tuple(
        each
        for each in stages
        if each.until.hold
        and each.stage.minutes is None
        and each.until.minutes[1] - each.until.minutes[0] >= 60 * SEARCHED_H
    )


def solve(asked: Asked) -> Solved:
    """The course of the least cost. Raises CraftError for a method that cannot be filled."""
    search = _Search(asked)
    start, fixed = _best(search)
    return _told(search, start, fixed)


@dataclass(frozen=True)
class Forward:
    """Where a course comes out that begins at a time, with a choice for each hold: by part, hours from now, share."""

    outs: dict[str, float]
    shares: dict[str, float | None]


def forward(asked: Asked, begins: float, holds: dict[str, float], mix: float) -> Forward:
    """Carry a course forward from ``begins`` (hours from now) with the hours of its holds by id.

    ``mix``: about when it is mixed, h: preferments are as ripe as they are then.
    """
    search = _Search(asked)
    search.ripe_for(mix)
    laid = search.lay(begins, holds)
    names = [path.name for path in search.paths]
    shares = [share_at_load(batch, (*laid.trunk, *own)) for batch, own in zip(search.batches, laid.parts, strict=True)]
    return Forward(dict(zip(names, laid.outs(), strict=True)), dict(zip(names, shares, strict=True)))


def _best(search: _Search) -> tuple[float, dict[str, float]]:
    """The beginning and the holds of the least cost that were found."""
    given = [at for at in search.wanted if at is not None]
    guess = (min(given) - 12) if given else search.before_h + 1
    holds = {each.id: sum(each.until.minutes) / 120 for each in _all_holds(search)}
    laid = search.lay(guess, holds)
    best = (np.inf, guess, holds)
    tried: list[tuple[float, ...]] = []
    free = not given or bool(_all_holds(search))
    for _ in range(MOST_TRIES):
        start, holds, foreseen = _coarse(search)
        key = (round(start, 1), *(round(hours, 1) for hours in holds.values()))
        if key in tried or foreseen >= best[0] - 1:
            break
        tried.append(key)
        start, holds, laid = _exact(search, start, holds, ROUGHLY_H, NEARLY_H)
        search.led_for(_mix_at(laid))
        cost = _cost_of(search, laid, holds)
        if cost < best[0]:
            best = (cost, start, holds)
        if cost <= foreseen + 1 or not free:
            break
    return _toward_target(search, best)


def _toward_target(search: _Search, best: tuple[float, float, dict[str, float]]) -> tuple[float, dict[str, float]]:
    """The best choice, or one with longer or shorter holds if that brings a dough that misses its target nearer."""
    cost, start, holds = best
    able = _all_holds(search)
    if not able or _off_target(search, search.lay(start, holds)) < 1:
        return start, holds
    for part in (0.85, 1.0, 0.15, 0.0):
        ends = {each.id: tuple(end / 60 for end in each.until.minutes) for each in able}
        moved = {**holds, **{id_: low + part * (high - low) for id_, (low, high) in ends.items()}}
        at, chosen, laid = _exact(search, start, moved, ROUGHLY_H, NEARLY_H)
        if _cost_of(search, laid, chosen) < cost - 1:
            cost, start, holds = _cost_of(search, laid, chosen), at, chosen
    return start, holds


def _all_holds(search: _Search) -> tuple[Filled, ...]:
    return (*held(search.trunk), *(each for tail in search.tails for each in held(tail)))


def _span_h(stages: tuple[Filled, ...]) -> tuple[float, float]:
    """Least and most hours of all holds of some stages together."""
    ends = [each.until.minutes for each in held(stages)]
    return sum(low for low, _ in ends) / 60, sum(high for _, high in ends) / 60


def _spread(stages: tuple[Filled, ...], hours: float) -> dict[str, float]:
    """So many hours over the holds of some stages: all of them equally far along what they may."""
    low, high = _span_h(stages)
    part = 0.5 if high <= low else min(max((hours - low) / (high - low), 0.0), 1.0)
    return {
        each.id: (each.until.minutes[0] + part * (each.until.minutes[1] - each.until.minutes[0])) / 60
        for each in held(stages)
    }


def _anchor(search: _Search) -> int:
    """The part that says when to begin: the one whose time can be met by holds of its own the least."""
    able = [i for i, at in enumerate(search.wanted) if at is not None] or list(range(len(search.tails)))
    return min(able, key=lambda i: _span_h(search.tails[i])[1] - _span_h(search.tails[i])[0])


def _choices(stages: tuple[Filled, ...]) -> Lengths:
    """Lengths that the holds of some stages may have, every choice of all of them together; one row a choice."""
    holds = held(stages)
    each_has = LENGTHS
    while each_has ** len(holds) > MOST_CHOICES and each_has > 2:
        each_has -= 2
    grids = [np.linspace(each.until.minutes[0] / 60, each.until.minutes[1] / 60, each_has) for each in holds]
    rows = np.array(list(product(*grids))) if holds else np.zeros((1, 0))
    return {each.id: rows[:, column] for column, each in enumerate(holds)}


def _coarse(search: _Search) -> tuple[float, dict[str, float], float]:
    """Beginning, holds and cost of the best choice, at the lengths that the other stages had when last carried."""
    anchor = _anchor(search)
    own = (*search.trunk, *search.tails[anchor])
    wanted = search.wanted[anchor]
    holds = _choices(own)
    count = max((len(column) for column in holds.values()), default=1)
    if wanted is None:
        shifts = np.arange(0.0, SOON_H + 0.1, SOON_STEPS_H[count > FEW_CHOICES])
        holds = {name: np.repeat(column, len(shifts)) for name, column in holds.items()}
        starts = search.before_h + np.tile(shifts, count)
    whole = _whole_h(search, own, holds)
    if wanted is not None:
        starts = wanted - whole * np.ones(count)
    costs, others = _costs(search, starts, holds, anchor)
    if wanted is None:
        costs = costs + LATER_H * (starts + whole - search.before_h)
    best = int(costs.argmin())
    chosen = {name: float(column[best]) for name, column in holds.items()}
    for tail, hours in others:
        chosen |= _spread(tail, float(hours[best]))
    return float(starts[best]), chosen, float(costs[best])


def _whole_h(search: _Search, stages: tuple[Filled, ...], holds: Lengths) -> Floats:
    """From the beginning to the last loaf out, by choice."""
    ends = next((i for i, each in enumerate(stages) if each.bake), len(stages) - 1)
    return np.asarray(sum(search.lengths(stages[: ends + 1], holds), 0.0))


def _costs(
    search: _Search, starts: Floats, holds: Lengths, anchor: int
) -> tuple[Floats, list[tuple[tuple[Filled, ...], Floats]]]:
    """Cost of each beginning with its holds; and for each other part the hours that its holds would have together."""
    cost = PAST_MIN * 60 * np.maximum(-starts, 0) + _off_middle(search, holds) + _leads(search, starts, holds, anchor)
    at, more = _through(search, search.trunk, holds, starts)
    _, its = _through(search, search.tails[anchor], holds, at)
    cost = cost + more + its
    others: list[tuple[tuple[Filled, ...], Floats]] = []
    for place, tail in enumerate(search.tails):
        if place == anchor:
            continue
        low, high = _span_h(tail)
        wanted = search.wanted[place]
        least: Lengths = {name: np.full(1, hours) for name, hours in _spread(tail, low).items()}
        asked_h = np.full(len(starts), low)
        if wanted is not None and search.trunk:
            asked_h = wanted - at - (float(_whole_h(search, tail, least).flat[0]) - low)
        hours = np.clip(asked_h, low, high)
        if wanted is None and high > low:
            hours, its = _awake(search, tail, at)
            cost = cost + its
        else:
            cost = cost + LATE_MIN * 60 * np.abs(asked_h - hours)
        others.append((tail, hours))
    return cost, others


def _awake(search: _Search, tail: tuple[Filled, ...], at: Floats) -> tuple[Floats, Floats]:
    """Hours of the holds of a part that is wanted as soon as it can be, by when it begins: as few as sleep allows."""
    low, high = _span_h(tail)
    options = np.linspace(low, high, LENGTHS)
    costs = []
    for hours in options:
        holds: Lengths = {name: np.full(len(at), each) for name, each in _spread(tail, float(hours)).items()}
        _, cost = _through(search, tail, holds, at)
        costs.append(cost + LATER_H * (hours - low))
    best = np.argmin(costs, axis=0)
    return options[best], np.min(costs, axis=0)


def _leads(search: _Search, starts: Floats, holds: Lengths, anchor: int) -> Floats:
    """What the stages beside the dough cost in sleep, and for beginning in the past, at their best lengths."""
    own = (*search.trunk, *search.tails[anchor])
    before = next((place for place, each in enumerate(own) if each.kind == "mix"), 0)
    mix = starts + np.asarray(sum(search.lengths(own[:before], holds), 0.0))
    sleep, cost = _sleep(search.clock), np.zeros(len(starts))
    for leads in search.leads:
        able = [
            _asleep(sleep, mix - hours, mix - hours + HANDS_H) + PAST_MIN * 60 * np.maximum(hours - mix, 0)
            for hours in leads
        ]
        cost = cost + np.min(able, axis=0)
    return cost


def _off_middle(search: _Search, holds: Lengths) -> Floats | float:
    """What is paid for holds away from the middle of what they may be."""
    cost: Floats | float = 0.0
    for each in _all_holds(search):
        if each.id in holds:
            low, high = (end / 60 for end in each.until.minutes)
            cost = cost + OFF_MIDDLE * np.abs(holds[each.id] - (low + high) / 2) / max((high - low) / 2, 0.01)
    return cost


def _through(search: _Search, stages: tuple[Filled, ...], holds: Lengths, at: Floats) -> tuple[Floats, Floats]:
    """Where stages end that begin at ``at``, and what their hands cost in sleep."""
    cost = np.zeros(len(at))
    sleep = _sleep(search.clock)
    hands, oven = search.hands, search.oven
    cold = False
    for each, hours in zip(stages, search.lengths(stages, holds), strict=True):
        if each.bake is not None:
            lit = each.bake.preheat.minutes / 60
            cost = cost + _asleep(sleep, at - lit, at - lit + TOUCH_H) + _asleep(sleep, at, at + hours + TOUCH_H)
            cost = cost + _paid(oven, at - lit, at + hours, TAKEN_STEP, TAKEN_MIN)
        elif each.stage.minutes is not None:
            cost = cost + _asleep(sleep, at, at + hours) + _paid(hands, at, at + hours, TAKEN_STEP / 3, TAKEN_MIN)
        elif each.cold != cold or each.kind == "autolyse":
            cost = cost + _asleep(sleep, at, at + TOUCH_H)
        cold = each.cold if each.stage.minutes is None else cold
        for series in () if "folds" in dict(each.why) else each.stage.folds or ():
            gap = sum(series.gap_min) / 120
            for fold in range(series.count):
                when = series.first_min / 60 + gap * fold
                paid = _asleep(sleep, at + when, at + when + TOUCH_H)
                cost = cost + np.where(when < hours, paid, 0.0)
        at = at + hours
    return at, cost


@lru_cache(maxsize=32)
def _sleep(clock: Clock) -> tuple[Floats, Floats]:
    """Minutes asleep so far, every five minutes, from two weeks before now to three weeks after."""
    hours = np.arange(-BEHIND_H, AHEAD_H, 1 / 12)
    since = (clock.local_hour(hours) - clock.nights.start_h) % 24
    asleep = (since < clock.nights.length_h).astype(float) * 5
    return hours, np.concatenate([[0.0], np.cumsum(asleep)[:-1]])


def _asleep(sleep: tuple[Floats, Floats], start: Floats, end: Floats) -> Floats:
    """What hands at work from ``start`` to ``end`` pay for the sleep they take."""
    return _paid(sleep, start, end, ASLEEP_STEP, ASLEEP_MIN)


def _paid(taken: tuple[Floats, Floats] | None, start: Floats, end: Floats, once: float, a_minute: float) -> Floats:
    """What a stretch of time pays for the minutes of it that are taken: once, and for each."""
    if taken is None:
        return np.zeros(len(np.atleast_1d(start)))
    minutes = np.interp(end, *taken) - np.interp(start, *taken)
    found: Floats = a_minute * minutes + np.where(minutes > 0.5, once, 0.0)
    return found


def _exact(
    search: _Search, start: float, holds: dict[str, float], near_h: float, as_it_was_h: float
) -> tuple[float, dict[str, float], _Laid]:
    """The beginning with which the anchor meets its time, the other parts' holds moved to meet theirs."""
    anchor = _anchor(search)
    end_wanted = search.wanted[anchor]
    laid = search.lay(start, holds)
    stops: dict[str, float] = {}
    for _ in range(MOST_ROUNDS):
        outs = laid.outs()
        moved = 0.0
        if end_wanted is not None:
            late = outs[anchor] - end_wanted
            start -= late
            moved = abs(late)
        for place, tail in enumerate(search.tails):
            wanted = search.wanted[place]
            if place == anchor or wanted is None:
                continue
            if end_wanted is not None and search.share(anchor, place):
                apart = (outs[place] - wanted) - (outs[anchor] - end_wanted)
                holds, changed = _together(laid, holds, anchor, place, apart)
                moved = max(moved, changed)
                if changed:
                    continue
            if not search.trunk:
                key = f"{BEGINS_LATER} {search.batches[place].name}"
                shift = outs[anchor] - (outs[anchor] if end_wanted is None else end_wanted) - (outs[place] - wanted)
                holds = {**holds, key: holds.get(key, 0.0) + shift}
                moved = max(moved, abs(shift))
                continue
            if not held(tail):
                continue
            now_h = sum(holds[each.id] for each in held(tail))
            asked_h = (
                now_h - (outs[place] - wanted) + outs[anchor] - (outs[anchor] if end_wanted is None else end_wanted)
            )
            low, high = _span_h(tail)
            new_h = min(max(asked_h, low), high)
            moved = max(moved, abs(new_h - now_h))
            holds = {**holds, **_spread(tail, new_h)}
        if moved < near_h:
            break
        stops = {} if moved > as_it_was_h else stops or _solved_h(laid)
        laid = search.lay(start, {**stops, **holds})
    else:
        # Nights make it jump to and fro: what is left is taken at the lengths that were last found.
        start -= 0.0 if end_wanted is None else laid.outs()[anchor] - end_wanted
    return start, holds, laid


def _solved_h(laid: _Laid) -> dict[str, float]:
    """Hours of bulks whose end was looked for."""
    return {run.filled.id: run.hours for runs in (laid.trunk, *laid.parts) for run in runs if is_solved(run.filled)}


def _together(
    laid: _Laid, holds: dict[str, float], one: int, other: int, apart: float
) -> tuple[dict[str, float], float]:
    """Proofs of two parts that go into one load from one dough, ended together half-way between their own ends."""
    ends = [
        next(
            (run for run in reversed(laid.parts[place]) if run.filled.kind == "proof" and ends_itself(run.filled)), None
        )
        for place in (one, other)
    ]
    if ends[0] is None or ends[1] is None or abs(apart) < NEAR_H:
        return holds, 0.0
    if ends[0].filled.id in holds:
        # Half-way was found: what is left is the second's alone.
        first, second = 0.0, apart
    else:
        first, second = apart / 2, apart / 2
    mine, its = ends[0].hours + first, ends[1].hours - second
    return {**holds, ends[0].filled.id: mine, ends[1].filled.id: max(its, 0.1)}, abs(apart)


def _cost_of(search: _Search, laid: _Laid, holds: dict[str, float]) -> float:
    """What a course costs as it really goes."""
    anchor = _anchor(search)
    start = np.array([(laid.trunk or laid.parts[0])[0].start])
    own = (*search.trunk, *search.tails[anchor])
    chosen: Lengths = {each.id: np.array([holds[each.id]]) for each in held(own)}
    cost, _ = _costs(search, start, chosen, anchor)
    later = 0.0
    if search.wanted[anchor] is None:
        later = LATER_H * float((start + _whole_h(search, own, chosen) - search.before_h).flat[0])
    return float(cost[0]) + later + _off_target(search, laid)


def _off_target(search: _Search, laid: _Laid) -> float:
    """What is paid for a dough that meets the oven outside its target."""
    paid = 0.0
    for batch, part in zip(search.batches, laid.parts, strict=True):
        share = share_at_load(batch, (*laid.trunk, *part))
        if share is not None:
            paid += 1000 * max(batch.target.low - share, share - batch.target.high, 0.0)
    return paid


@dataclass(frozen=True)
class Carried:
    """What is known of a course under way: when stages ended, and until when others are to be held, by their ids."""

    ends: dict[str, datetime]
    holds: dict[str, datetime]
    readings: "tuple[Read, ...]" = ()


@dataclass(frozen=True)
class Read:
    """What was read of a dough in its bulk: when, by what way, and its rise (fraction of its gas-free volume).

    ``dough_c``: what a thermometer in it showed, C, which counts soon after mixing.
    """

    at: datetime
    kind: ReadingKind
    value: float
    sure: bool = False


def carry_on(asked: Asked, known: Carried) -> Solved:
    """The rest of a course, carried on from what is known of it as of ``asked.now``.

    What was done took as long as it took; what is running has not ended yet; holds to come are moved so that each
    part meets its time. Without anything known, the course of the least cost.
    """
    if not known.ends:
        return solve(asked)
    search = _Search(_as_warm_as_read(asked, known))
    ends = {id_: search.clock.hours(at) for id_, at in known.ends.items()}
    start, fixed = _as_it_was(search, ends)
    search.ripe_for(start)
    search.as_lively_as_read(start, fixed, known)
    until = {id_: search.clock.hours(at) for id_, at in known.holds.items()}
    holds = {each.id: sum(each.until.minutes) / 120 for each in _all_holds(search) if each.id not in fixed}
    laid = search.lay(start, {**holds, **fixed})
    for _ in range(MOST_ROUNDS):
        fixed |= _not_over_yet(search, laid, ends, until)
        holds, moved = _held_to(search, laid, {k: v for k, v in holds.items() if k not in fixed})
        laid = search.lay(start, {**holds, **fixed})
        if moved < NEAR_H:
            break
    return _as_told(search, start, {**holds, **fixed}, laid, ends)


def _as_warm_as_read(asked: Asked, known: Carried) -> Asked:
    """The question with the dough as warm as a thermometer showed soon after it was mixed."""
    mixed = [at for id_, at in known.ends.items() if _kind_of(asked, id_) == "mix"]
    soon = [
        each.value
        for each in known.readings
        if each.kind == "dough_c" and mixed and abs((each.at - min(mixed)).total_seconds()) < 3600 * SOON_AFTER_H
    ]
    return replace(asked, dough_c=soon[-1]) if soon else asked


def _kind_of(asked: Asked, id_: str) -> str:
    return next((stage.kind for _, path in asked.method.paths for stage in path if stage.id == id_), "")


def _as_it_was(search: _Search, ends: dict[str, float]) -> tuple[float, dict[str, float]]:
    """When the dough was begun, and the hours of all that is done; of parts apart, how much later each began."""
    fixed: dict[str, float] = {}
    begins: dict[str, float] = {}
    for batch, tail in zip(search.batches, search.tails, strict=True):
        before: float | None = None
        for each in (*search.trunk, *tail):
            if each.id not in ends:
                break
            if before is None:
                before = begins[batch.name] = ends[each.id] - _own_h(each)
            fixed[each.id] = max(ends[each.id] - before, 0.0)
            before = ends[each.id]
    start = min(begins.values())
    if not search.trunk:
        fixed |= {f"{BEGINS_LATER} {name}": at - start for name, at in begins.items()}
    return start, fixed


def _own_h(each: Filled) -> float:
    """How long the first stage of a dough took, if only its end is known: what it usually takes."""
    return each.work_min / 60 if each.stage.minutes is not None else sum(each.until.minutes) / 120


def _not_over_yet(search: _Search, laid: _Laid, ends: dict[str, float], until: dict[str, float]) -> dict[str, float]:
    """Hours of what is running, which has not ended before now; of what is to be held until a time; and how much
    later a part begins that has not begun."""
    found: dict[str, float] = {}
    for batch, part in zip(search.batches, laid.parts, strict=True):
        own = [run for run in (*laid.trunk, *part) if run.filled.id not in ends]
        if len(own) == len(part) and not laid.trunk and own[0].start < 0:
            found[f"{BEGINS_LATER} {batch.name}"] = -laid.parts[0][0].start
            continue
        for place, run in enumerate(own):
            if run.filled.id in until:
                found[run.filled.id] = max(max(until[run.filled.id], 0.0) - run.start, 0.0)
            elif place == 0 and run.end < 0 and run.filled.bake is None:
                found[run.filled.id] = -run.start
    return found


def _held_to(search: _Search, laid: _Laid, holds: dict[str, float]) -> tuple[dict[str, float], float]:
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


def _told(search: _Search, start: float, holds: dict[str, float]) -> Solved:
    """The course with every activity of its leaven side by side, at the lengths that were found."""
    search.ripe_for(_mix_at(search.lay(start, holds)))
    start, holds, laid = _exact(search, start, holds, NEAR_H, 10 * NEAR_H)
    if search.wanted[_anchor(search)] is None:
        start, laid = _not_in_the_past(search, start, holds, laid)
    return _as_told(search, start, holds, laid)


def _as_told(
    search: _Search, start: float, holds: dict[str, float], laid: _Laid, settled: Iterable[str] = ()
) -> Solved:
    """A course that was laid out, with every activity of its leaven side by side."""
    lengths = {run.filled.id: run.hours for runs in (laid.trunk, *laid.parts) for run in runs}
    reached = {run.filled.id: run.reached for runs in (laid.trunk, *laid.parts) for run in runs}
    factors = activities(Vigour(1.0, search.belief.sigma))
    wide = search.lay(start, {**lengths, **holds}, factors)

    def kept(runs: tuple[Run, ...]) -> tuple[Run, ...]:
        return tuple(replace(run, reached=reached[run.filled.id]) for run in runs)

    parts = tuple(
        PartCourse(replace(path, batch=batch), kept(runs) if search.asked.method.parts else kept(wide.trunk), wanted)
        for path, batch, runs, wanted in zip(search.paths, search.batches, wide.parts, search.wanted, strict=True)
    )
    trunk = kept(wide.trunk) if search.asked.method.parts else ()
    parts = _loaded(parts, frozenset(settled))
    mixes = [
        run.start
        for run in (*trunk, *(each for part in parts for each in part.runs))
        if run.filled.kind in ("autolyse", "mix")
    ]
    found = beside(search.asked, search.paths[0], search.clock, _leaven_at(trunk, parts, mixes), 0.0, factors)
    return Solved(search.asked, search.clock, trunk, parts, found)


def _not_in_the_past(search: _Search, start: float, holds: dict[str, float], laid: _Laid) -> tuple[float, _Laid]:
    """What is wanted as soon as it can be, moved so that its first hand is not too early, nor needed in the night."""
    anchor = _anchor(search)
    own = (*search.trunk, *search.tails[anchor])
    chosen: Lengths = {each.id: np.array([holds[each.id]]) for each in held(own)}
    best = (np.inf, start)
    for move in MOVES_H:
        at = start + move
        found = beside(search.asked, search.paths[0], search.clock, _mix_at(laid) + move, 0.0, ONE)
        first = min([at] + [each.start for each in found])
        _, cost = _through(search, own, chosen, np.array([at]))
        sleep = _sleep(search.clock)
        woken = sum(float(_asleep(sleep, np.array(each.start), np.array(each.start + HANDS_H))) for each in found)
        total = float(cost[0]) + woken + LATER_H * move + PAST_MIN * 60 * max(-first, 0.0)
        if total < best[0]:
            best = (total, at)
        if total < 1 + LATER_H * move and move >= 0:
            break
    start = best[1]
    return start, search.lay(start, holds)


def _mix_at(laid: _Laid) -> float:
    runs = laid.trunk or laid.parts[0]
    return next((run.start for run in (*laid.trunk, *laid.parts[0]) if run.filled.kind == "mix"), runs[0].start)


def _leaven_at(trunk: tuple[Run, ...], parts: tuple[PartCourse, ...], mixes: list[float]) -> float:
    """When what ripens is wanted: at the first mixing."""
    at = [run.start for run in (*trunk, *(each for part in parts for each in part.runs)) if run.filled.kind == "mix"]
    return min(at or mixes)


def _loaded(parts: tuple[PartCourse, ...], settled: frozenset[str]) -> tuple[PartCourse, ...]:
    """Parts that are in the oven at once share a load if they agree; else they go in one after the other.

    ``settled`` are ids of stages that have happened: when they did is not changed any more.
    """
    order = sorted(range(len(parts)), key=lambda i: parts[i].load or 0.0)
    found = {order[0]: parts[order[0]]}
    for place in order[1:]:
        part = parts[place]
        happened = any(run.filled.bake and run.filled.id in settled for run in part.runs)
        for other in () if happened else tuple(found.values()):
            load, its = part.load, other.load
            if load is None or its is None or part.bake is None or other.bake is None:
                continue
            if sharing(other.bake, part.bake) is not None and abs(load - its) < ONE_LOAD_H:
                # Of a course under way nothing that was done, or is still going on, is moved back.
                later = max(its - load, 0.0) if settled else its - load
                part = replace(_moved(part, later, settled), shares=other.path.name)
                break
            if its <= load < other.out:
                part = _moved(part, other.out + RECOVERY_MIN / 60 - load, settled)
        found[place] = part
    return tuple(found[i] for i in range(len(parts)))


def _moved(part: PartCourse, by_h: float, settled: frozenset[str]) -> PartCourse:
    """A part whose bake, and what comes after it, is later by so much: what waits before it waits as much longer."""
    runs = list(part.runs)
    at = next(i for i, run in enumerate(runs) if run.filled.bake)
    for i in range(at, len(runs)):
        runs[i] = replace(runs[i], start=runs[i].start + by_h, end=runs[i].end + by_h)
    if at and runs[at - 1].filled.id not in settled:
        runs[at - 1] = replace(runs[at - 1], end=max(runs[at].start, runs[at - 1].start))
    return replace(part, runs=tuple(runs))
