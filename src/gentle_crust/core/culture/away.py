"""Before an absence and after it: two feeds in a row, then the cold; then feeds back to back until it doubles."""

from dataclasses import dataclass

import numpy as np

from gentle_crust.core.cautions import Caution, caution
from gentle_crust.core.clock import Clock
from gentle_crust.core.culture.culture import Culture, jar_makeup_of
from gentle_crust.core.culture.events import Event
from gentle_crust.core.culture.feeding import carry_feeds
from gentle_crust.core.culture.life import Life, Seed, life_of
from gentle_crust.core.culture.standing import REST_H, up
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.leaven.build import build, ripe_hours
from gentle_crust.core.leaven.hunger import recovered
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import NOTHING, Message, joined, message

KEPT_G = 60.0
"""Culture that goes into the fridge for an absence (practice)."""
SHORT_DAYS = 2.0
BACKUP_DAYS = 42.0
LONGEST_DAYS = 365.0
PACK_H = 0.5


@dataclass(frozen=True)
class CareStep:
    """One thing to do: hours from the clock's origin, and what is said of it."""

    kind: str
    at_h: float
    title: Message
    detail: Message
    cautions: tuple[Caution, ...] = ()


@dataclass(frozen=True)
class Away:
    """What to do before and after an absence; ``hunger_h`` and ``feeds`` are of the culture on the day of return."""

    days: float
    steps: tuple[CareStep, ...]
    hunger_h: float
    strength: float
    feeds: int
    ready_h: float
    """When it has doubled twice, and a levain can be built."""


def away(
    culture: Culture, events: tuple[Event, ...], leave_h: float, back_h: float, clock: Clock, now_h: float = 0.0
) -> Away:
    """The care of ``culture`` for an absence from ``leave_h`` to ``back_h``. CraftError if that is none.

    ``events``: what happened to it, in order; it was fed at least once.
    """
    days = (back_h - leave_h) / 24
    if leave_h < now_h:
        raise CraftError("leave", "culture-absence-past")
    within("back", Limit("absence", 0.5, LONGEST_DAYS, "days"), round(days, 1))
    life = life_of(culture, events, clock, now_h)
    before = _before(culture, life, leave_h, clock, now_h, days)
    cared = tuple(_done(step, culture) for step in before if step.kind in ("feed", "chill"))
    then = life_of(culture, (*(event for event in events if event.at_h <= now_h), *cared), clock, back_h)
    feeds = max(then.wake_feeds, 2 if days > SHORT_DAYS else 1)
    after, ready = _after(culture, then, feeds, clock, back_h)
    return Away(days, (*before, *after), then.hunger_h, then.seed.strength, feeds, ready)


def _before(
    culture: Culture, life: Life, leave_h: float, clock: Clock, now_h: float, days: float
) -> tuple[CareStep, ...]:
    chill = leave_h - PACK_H
    if days <= SHORT_DAYS:
        text = message("care-two-days-cold")
        return (CareStep("chill", max(chill, now_h), message("care-into-the-fridge"), text, (caution("jar"),)),)
    second = max(_awake(clock, chill - REST_H), now_h)
    seed = life.forecast.seed_at(now_h)
    first = _awake(clock, second - _ripe_h(culture, seed, second - 6, clock, life.vigour.likely))
    steps = []
    half = KEPT_G / 2
    if first >= now_h:
        steps.append(CareStep("feed", first, message("care-feed"), _amounts(culture, half), (caution("jar"),)))
    words = _amounts(culture, KEPT_G)
    steps.append(CareStep("feed", second, message("care-feed-again" if steps else "care-feed"), words))
    cold = message("care-cold")
    steps.append(CareStep("chill", second + REST_H, message("care-into-the-fridge"), cold))
    if days > BACKUP_DAYS:
        dry = message("care-dry")
        steps.insert(0, CareStep("backup", steps[0].at_h, message("care-dried-backup"), dry))
    return tuple(steps)


def _awake(clock: Clock, at_h: float) -> float:
    """``at_h``, or the last moment before the night that it falls into."""
    for _ in range(60):
        if clock.asleep_min(at_h, at_h + 1 / 6) < 0.5:
            return at_h
        at_h -= 0.25
    return at_h


def _amounts(culture: Culture, total_g: float) -> Message:
    made = build(total_g, 0, 1.0, culture.hydration_percent / 100)
    return message("care-feed-amounts", seed=round(made.seed_g), flour=round(made.flour_g), water=round(made.water_g))


def _ripe_h(culture: Culture, seed: Seed, start_h: float, clock: Clock, vigour: float) -> float:
    """Hours from an equal-parts feed at ``start_h`` until it is ripe."""
    jar = jar_makeup_of(culture)
    activity = np.array([vigour * seed.strength])
    trace = carry_feeds(jar, seed, (1.0,), start_h, 36.0, KEPT_G, clock, None, 24.0, activity)
    hours = float(ripe_hours(trace)[0])
    return 24.0 if np.isnan(hours) else hours


def _done(step: CareStep, culture: Culture) -> Event:
    """The step as it will stand in the history."""
    if step.kind == "chill":
        return Event("then", step.at_h, "moved", place="fridge")
    made = build(KEPT_G, 0, 1.0, culture.hydration_percent / 100)
    return Event("then", step.at_h, "fed", made.seed_g, made.flour_g, made.water_g)


def _after(culture: Culture, then: Life, feeds: int, clock: Clock, back_h: float) -> tuple[tuple[CareStep, ...], float]:
    """Feeds back to back after the return, each when the one before is ripe, and when that is done."""
    seed = then.seed
    at = back_h + 0.5
    steps = []
    for number in range(1, feeds + 1):
        at = up(clock, at)
        hours = _ripe_h(culture, seed, at, clock, then.vigour.likely)
        title = message("care-wake-of", number=number, feeds=feeds) if feeds > 1 else message("care-wake")
        pour = message("care-pour-off") if number == 1 and then.hunger_h > 0 else NOTHING
        detail = joined(pour, _amounts(culture, KEPT_G), message("care-doubles-in", hours=round(hours)))
        steps.append(CareStep("wake", at, title, detail, (caution("mould"),) if number == 1 else ()))
        at += hours
        seed = Seed(1.0, 1.0, recovered(seed.strength))
    return tuple(steps), at
