"""What a beginning and a choice of holds would cost, at the lengths that the other stages were last found to have."""

from functools import lru_cache
from itertools import product

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.fill import Filled
from gentle_crust.core.course.laying import (
    AHEAD_H,
    BEHIND_H,
    Laid,
    Laying,
    Lengths,
    all_holds,
    anchor_of,
    held,
    span_h,
    spread,
)
from gentle_crust.core.course.standing import near_target, share_at_load
from gentle_crust.core.fermentation.rates import Floats

LENGTHS = 9
FINER = 17
MOST_CHOICES = 400
ASLEEP_STEP, ASLEEP_MIN, PAST_MIN, LATE_MIN, OFF_MIDDLE, LATER_H = 150.0, 4.0, 60.0, 3.0, 20.0, 8.0
"""What is paid for: a step in the baker's sleep, a minute of it, a minute before now, a minute off the time wanted, a
hold at its end instead of its middle, an hour later than could be."""
TAKEN_STEP, TAKEN_MIN = 90.0, 2.0
"""And for the oven, or a third of it for hands, that another dough has."""
SOON_H = 36.0
SOON_STEPS_H = (1 / 6, 0.5)
FEW_CHOICES = 20
"""Beginnings that are tried for what is wanted as soon as it can be: the finer the fewer choices of holds there are."""
TOUCH_H, HANDS_H = 1 / 30, 5 / 60
SURE_H = 0.1
"""What ripens takes a little longer or shorter than is reckoned here: it is kept so far from the night."""


def _choices(stages: tuple[Filled, ...]) -> Lengths:
    """Lengths that the holds of some stages may have, every choice of all of them together; one row a choice."""
    holds = held(stages)
    each_has = LENGTHS
    while each_has ** len(holds) > MOST_CHOICES and each_has > 2:
        each_has -= 2
    grids = [np.linspace(each.until.minutes[0] / 60, each.until.minutes[1] / 60, each_has) for each in holds]
    rows = np.array(list(product(*grids))) if holds else np.zeros((1, 0))
    return {each.id: rows[:, column] for column, each in enumerate(holds)}


def _near(stages: tuple[Filled, ...], chosen: dict[str, float]) -> Lengths:
    """Lengths a little shorter and longer than those that were chosen, of one hold after the other."""
    rows, places = [], [each.id for each in held(stages)]
    for each in held(stages):
        low, high = (end / 60 for end in each.until.minutes)
        step = (high - low) / (LENGTHS - 1)
        for move in np.linspace(-step, step, FINER):
            hours = min(max(chosen[each.id] + float(move), low), high)
            rows.append([hours if id_ == each.id else chosen[id_] for id_ in places])
    return {id_: np.array(rows)[:, column] for column, id_ in enumerate(places)}


def coarse(search: Laying) -> tuple[float, dict[str, float], float]:
    """Beginning, holds and cost of the best choice, at the lengths that the other stages had when last carried."""
    anchor = anchor_of(search)
    own = (*search.trunk, *search.tails[anchor])
    wanted = search.wanted[anchor]
    holds = _choices(own)
    count = max((len(column) for column in holds.values()), default=1)
    if wanted is None:
        shifts = np.arange(0.0, SOON_H + 0.1, SOON_STEPS_H[count > FEW_CHOICES])
        holds = {name: np.repeat(column, len(shifts)) for name, column in holds.items()}
        starts = search.before_h + np.tile(shifts, count)
    whole = whole_h(search, own, holds)
    if wanted is not None:
        starts = wanted - whole * np.ones(count)
    costs, others = _costs(search, starts, holds, anchor)
    if wanted is None:
        costs = costs + LATER_H * (starts + whole - search.before_h)
    best = int(costs.argmin())
    if wanted is not None and costs[best] >= ASLEEP_STEP and held(own):
        near = _near(own, {name: float(column[best]) for name, column in holds.items()})
        finer = wanted - whole_h(search, own, near) * np.ones(max(len(column) for column in near.values()))
        its, its_others = _costs(search, finer, near, anchor)
        if its.min() < costs[best]:
            holds, starts, costs, others, best = near, finer, its, its_others, int(its.argmin())
    chosen = {name: float(column[best]) for name, column in holds.items()}
    for tail, hours in others:
        chosen |= spread(tail, float(hours[best]))
    return float(starts[best]), chosen, float(costs[best])


def whole_h(search: Laying, stages: tuple[Filled, ...], holds: Lengths) -> Floats:
    """From the beginning to the last loaf out, by choice."""
    ends = next((i for i, each in enumerate(stages) if each.bake), len(stages) - 1)
    return np.asarray(sum(search.lengths(stages[: ends + 1], holds), 0.0))


def _costs(
    search: Laying, starts: Floats, holds: Lengths, anchor: int
) -> tuple[Floats, list[tuple[tuple[Filled, ...], Floats]]]:
    """Cost of each beginning with its holds; and for each other part the hours that its holds would have together."""
    cost = PAST_MIN * 60 * np.maximum(-starts, 0) + _off_middle(search, holds) + _leads(search, starts, holds, anchor)
    at, more = through(search, search.trunk, holds, starts)
    _, its = through(search, search.tails[anchor], holds, at)
    cost = cost + more + its
    others: list[tuple[tuple[Filled, ...], Floats]] = []
    for place, tail in enumerate(search.tails):
        if place == anchor:
            continue
        low, high = span_h(tail)
        wanted = search.wanted[place]
        least: Lengths = {name: np.full(1, hours) for name, hours in spread(tail, low).items()}
        asked_h = np.full(len(starts), low)
        if wanted is not None and search.trunk:
            asked_h = wanted - at - (float(whole_h(search, tail, least).flat[0]) - low)
        hours = np.clip(asked_h, low, high)
        if wanted is None and high > low:
            hours, its = _awake(search, tail, at)
            cost = cost + its
        else:
            cost = cost + LATE_MIN * 60 * np.abs(asked_h - hours)
        others.append((tail, hours))
    return cost, others


def _awake(search: Laying, tail: tuple[Filled, ...], at: Floats) -> tuple[Floats, Floats]:
    """Hours of the holds of a part that is wanted as soon as it can be, by when it begins: as few as sleep allows."""
    low, high = span_h(tail)
    options = np.linspace(low, high, LENGTHS)
    costs = []
    for hours in options:
        holds: Lengths = {name: np.full(len(at), each) for name, each in spread(tail, float(hours)).items()}
        _, cost = through(search, tail, holds, at)
        costs.append(cost + LATER_H * (hours - low))
    best = np.argmin(costs, axis=0)
    return options[best], np.min(costs, axis=0)


def _leads(search: Laying, starts: Floats, holds: Lengths, anchor: int) -> Floats:
    """What the stages beside the dough cost in sleep, and for beginning in the past, at their best lengths."""
    own = (*search.trunk, *search.tails[anchor])
    before = next((place for place, each in enumerate(own) if each.kind == "mix"), 0)
    mix = starts + np.asarray(sum(search.lengths(own[:before], holds), 0.0))
    sleep, cost = sleep_of(search.clock), np.zeros(len(starts))
    for leads in search.leads:
        able = [
            PAST_MIN * 60 * np.maximum(max(lead) - mix, 0)
            + sum((_awake_at(sleep, mix - hours) for hours in lead), np.zeros(len(mix)))
            for lead in leads
        ]
        cost = cost + np.min(able, axis=0)
    return cost


def _awake_at(sleep: tuple[Floats, Floats], at: Floats) -> Floats:
    """What hands at ``at`` pay for the sleep they take, or come near to."""
    return asleep(sleep, at - SURE_H, at + HANDS_H + SURE_H)


def _off_middle(search: Laying, holds: Lengths) -> Floats | float:
    """What is paid for holds away from the middle of what they may be."""
    cost: Floats | float = 0.0
    for each in all_holds(search):
        if each.id in holds:
            low, high = (end / 60 for end in each.until.minutes)
            cost = cost + OFF_MIDDLE * np.abs(holds[each.id] - (low + high) / 2) / max((high - low) / 2, 0.01)
    return cost


def through(search: Laying, stages: tuple[Filled, ...], holds: Lengths, at: Floats) -> tuple[Floats, Floats]:
    """Where stages end that begin at ``at``, and what they cost in sleep, in hands and in the oven that others have."""
    cost = np.zeros(len(at))
    sleep = sleep_of(search.clock)
    hands, oven = search.hands, search.oven
    cold = False
    for each, hours in zip(stages, search.lengths(stages, holds), strict=True):
        if each.bake is not None:
            lit = each.bake.preheat.minutes / 60
            cost = cost + asleep(sleep, at - lit, at - lit + TOUCH_H) + asleep(sleep, at, at + hours + TOUCH_H)
            cost = cost + paid_for(oven, at - lit, at + hours, TAKEN_STEP, TAKEN_MIN)
        elif each.stage.minutes is not None:
            cost = cost + asleep(sleep, at, at + hours) + paid_for(hands, at, at + hours, TAKEN_STEP / 3, TAKEN_MIN)
        elif each.cold != cold or each.kind == "autolyse":
            cost = cost + asleep(sleep, at, at + TOUCH_H)
        cold = each.cold if each.stage.minutes is None else cold
        for series in () if "folds" in dict(each.why) else each.stage.folds or ():
            gap = sum(series.gap_min) / 120
            for fold in range(series.count):
                when = series.first_min / 60 + gap * fold
                paid = asleep(sleep, at + when, at + when + TOUCH_H)
                cost = cost + np.where(when < hours, paid, 0.0)
        at = at + hours
    return at, cost


@lru_cache(maxsize=32)
def sleep_of(clock: Clock) -> tuple[Floats, Floats]:
    """Minutes asleep so far, every five minutes, from two weeks before now to three weeks after."""
    hours = np.arange(-BEHIND_H, AHEAD_H, 1 / 12)
    since = (clock.local_hour(hours) - clock.nights.start_h) % 24
    asleep = (since < clock.nights.length_h).astype(float) * 5
    return hours, np.concatenate([[0.0], np.cumsum(asleep)[:-1]])


def asleep(sleep: tuple[Floats, Floats], start: Floats, end: Floats) -> Floats:
    """What hands at work from ``start`` to ``end`` pay for the sleep they take."""
    return paid_for(sleep, start, end, ASLEEP_STEP, ASLEEP_MIN)


def paid_for(taken: tuple[Floats, Floats] | None, start: Floats, end: Floats, once: float, a_minute: float) -> Floats:
    """What a stretch of time pays for the minutes of it that are taken: once, and for each."""
    if taken is None:
        return np.zeros(len(np.atleast_1d(start)))
    minutes = np.interp(end, *taken) - np.interp(start, *taken)
    found: Floats = a_minute * minutes + np.where(minutes > 0.5, once, 0.0)
    return found


def cost_of(search: Laying, laid: Laid, holds: dict[str, float]) -> float:
    """What a course costs as it really goes."""
    anchor = anchor_of(search)
    start = np.array([(laid.trunk or laid.parts[0])[0].start])
    own = (*search.trunk, *search.tails[anchor])
    chosen: Lengths = {each.id: np.array([holds[each.id]]) for each in held(own)}
    cost, _ = _costs(search, start, chosen, anchor)
    later = 0.0
    if search.wanted[anchor] is None:
        later = LATER_H * float((start + whole_h(search, own, chosen) - search.before_h).flat[0])
    return float(cost[0]) + later + off_target(search, laid)


def off_target(search: Laying, laid: Laid) -> float:
    """What is paid for a dough that meets the oven outside its target."""
    paid = 0.0
    for batch, part in zip(search.batches, laid.parts, strict=True):
        runs = (*laid.trunk, *part)
        share, (below, above) = share_at_load(batch, runs), near_target(runs)
        if share is not None:
            paid += 1000 * max(batch.target.low - below - share, share - batch.target.high - above, 0.0)
    return paid
