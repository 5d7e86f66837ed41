"""Rye sour in stages: each at its own warmth and stiffness, the flour multiplied from one to the next."""

from dataclasses import dataclass, replace
from itertools import product
from typing import Literal

import numpy as np

from gentle_crust.core import limits
from gentle_crust.core.cautions import Caution, caution
from gentle_crust.core.clock import Clock
from gentle_crust.core.errors import CraftError, Unreadable, within
from gentle_crust.core.fermentation.acid import made
from gentle_crust.core.fermentation.crossing import crossings
from gentle_crust.core.fermentation.engine import Leg, begin, run
from gentle_crust.core.fermentation.uncertainty import Span, Vigour, activities, span
from gentle_crust.core.formula.model import FlourShare
from gentle_crust.core.leaven.build import JAR_LOSS, JAR_LOSS_LEAST_G, jar_capacity, jar_of, ripe_hours, spent_hours
from gentle_crust.core.tables import toml

STAGE_H = 30.0
STEP_H = 0.25
HANDS_H = 1 / 6
WAITS_H = (0.0, 1.0, 2.0, 3.0, 4.5, 6.0)
ACID_RIPE, ACID_SPENT = 9.0, 13.0
"""Acid from which a sour stage is sour enough, and too sour (what a ripe levain brings is 1; practice)."""
MORE_FLOUR = (0.5, 0.75, 1.0, 1.4, 2.0)
"""A stage's flour may be this many times its usual part, to fit it to the night (practice)."""


@dataclass(frozen=True)
class SourWish:
    """``needed_g`` of full sour at ``at_h`` (hours from the clock's origin), in two or three stages."""

    needed_g: float
    at_h: float
    stages: Literal["two", "three"] = "three"
    flour_kind: str = "whole_rye"


@dataclass(frozen=True)
class SourStage:
    """One build: what goes in besides the stage before it, how warm and how wet, and when it is ripe."""

    name: str
    at_h: float
    hours: float
    seed_g: float
    flour_g: float
    water_g: float
    hydration_percent: float
    warm_c: float
    ripe: Span
    spent: Span
    why: str
    asleep: bool


@dataclass(frozen=True)
class Sour:
    """The stages in order; ``in_time`` if the first does not lie in the past."""

    stages: tuple[SourStage, ...]
    begins_h: float
    in_time: bool
    cautions: tuple[Caution, ...]


@dataclass(frozen=True)
class _Plan:
    """One stage as the table has it, with the part of flour that was chosen."""

    name: str
    times_flour: float
    hydration_percent: float
    warm_c: float
    ripe_by: Literal["rise", "acid"]
    why: str


@dataclass(frozen=True)
class _Option:
    """One way of leading a stage: its flour, its hours, and how far that is from the usual."""

    plan: _Plan
    hours: float
    unusual: float


def kinds() -> tuple[str, ...]:
    """The ways of leading a rye sour that the table knows."""
    return tuple(toml("rye_sours"))


def sour(wish: SourWish, clock: Clock, vigour: Vigour, now_h: float = 0.0) -> Sour:
    """Lead a rye sour back from ``wish.at_h``, each stage as long as it takes to ripen. CraftError if that cannot be.

    Of the flour that each stage may get, those are taken that wake nobody and stay nearest to the usual.
    """
    within("needed_g", limits.SOUR_NEEDED_G, wish.needed_g)
    if wish.stages not in kinds():
        raise Unreadable("stages", "culture-sour-unknown", stages=wish.stages, names=tuple(kinds()))
    if wish.flour_kind not in ("rye", "whole_rye"):
        raise CraftError("flour_kind", "culture-sour-not-rye")
    usual = [_Plan(**stage) for stage in toml("rye_sours")[wish.stages]["stages"]]
    options = [_options(plan, wish.flour_kind, vigour.likely) for plan in usual]
    chosen = min(product(*options), key=lambda each: _cost(each, wish, clock, now_h))
    return _led(chosen, wish, clock, vigour, now_h)


def _options(plan: _Plan, flour: str, vigour: float) -> list[_Option]:
    """A stage with each part of flour that it may get, and with each wait that it bears once it is ripe."""
    found = []
    for part in MORE_FLOUR:
        more = replace(plan, times_flour=plan.times_flour * part)
        ripe, spent = (times[0] for times in _ripe(more, flour, np.array([vigour])))
        for wait in WAITS_H:
            if not wait or ripe + wait <= spent:
                found.append(_Option(more, ripe + wait, abs(float(np.log(part))) + 0.1 * wait))
    return found


def _ripe(plan: _Plan, flour: str, factors: np.ndarray) -> tuple[list[float], list[float]]:
    """Hours until a stage is ripe, and until it is past it, for each activity."""
    jar = jar_of((FlourShare(flour, 100),), plan.hydration_percent)
    share = 1 / (1 + plan.times_flour)
    state = begin(jar, plan.warm_c, len(factors))
    ones = np.ones(len(factors))
    state = replace(state, yeast=share * ones, bacteria=share * ones)
    steps = round(STAGE_H / STEP_H)
    trace = run(jar, state, Leg(STAGE_H, np.full(steps, plan.warm_c), "covered_bowl", 300, jar_capacity(jar)), factors)
    if plan.ripe_by == "acid":
        columns = [made(trace.hours, trace.dough_c, column, jar.souring) for column in trace.bacteria.T]
        ripe, spent = (crossings(trace.hours, np.array(columns).T, acid) for acid in (ACID_RIPE, ACID_SPENT))
    else:
        ripe, spent = ripe_hours(trace), spent_hours(trace)
    return [STAGE_H if np.isnan(each) else float(each) for each in ripe], [float(each) for each in spent]


def acid_ripe_h(flour: str, hydration: float, times_flour: float, warm_c: float) -> float:
    """Hours until a stage of one part ripe seed flour to ``times_flour`` is sour enough at a steady warmth, C."""
    plan = _Plan("", times_flour, 100 * hydration, warm_c, "acid", "")
    return _ripe(plan, flour, np.ones(1))[0][0]


def _cost(stages: tuple[_Option, ...], wish: SourWish, clock: Clock, now_h: float) -> float:
    """Minutes of sleep, being late, and how far the stages are from the usual."""
    at, cost = wish.at_h, 0.0
    for stage in reversed(stages):
        at -= stage.hours
        cost += 10 * clock.asleep_min(at, at + HANDS_H) + stage.unusual
    return cost + 100 * max(now_h - at, 0.0)


def _led(chosen: tuple[_Option, ...], wish: SourWish, clock: Clock, vigour: Vigour, now_h: float) -> Sour:
    """The stages with their grams and times, from the last one back."""
    total = wish.needed_g + max(JAR_LOSS * wish.needed_g, JAR_LOSS_LEAST_G)
    at, flour = wish.at_h, total / (1 + chosen[-1].plan.hydration_percent / 100)
    found: list[SourStage] = []
    for index in range(len(chosen) - 1, -1, -1):
        seed_hydration = chosen[index - 1].plan.hydration_percent / 100 if index else 1.0
        at -= chosen[index].hours
        stage = _stage(chosen[index], flour, seed_hydration, at, wish.flour_kind, clock, vigour)
        found.insert(0, stage)
        flour -= stage.flour_g
    return Sour(tuple(found), at, at >= now_h - 1e-6, (caution("jar"), caution("mould")))


def _stage(
    option: _Option, flour_g: float, seed_hydration: float, at: float, kind: str, clock: Clock, vigour: Vigour
) -> SourStage:
    """One stage of ``flour_g`` in all, begun at ``at``; its seed is as wet as the stage before."""
    plan = option.plan
    ripe, spent = _ripe(plan, kind, activities(vigour))
    seed_flour = flour_g / (1 + plan.times_flour)
    water = plan.hydration_percent / 100 * flour_g - seed_hydration * seed_flour
    return SourStage(
        name=plan.name,
        at_h=at,
        hours=option.hours,
        seed_g=seed_flour * (1 + seed_hydration),
        flour_g=flour_g - seed_flour,
        water_g=max(water, 0.0),
        hydration_percent=plan.hydration_percent,
        warm_c=plan.warm_c,
        ripe=span(at + np.array(ripe)),
        spent=span(at + np.array(spent)),
        why=plan.why,
        asleep=clock.asleep_min(at, at + HANDS_H) >= 0.5,
    )
