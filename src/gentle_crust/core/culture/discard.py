"""Culture that is thrown away, and feeding plans that make less of it."""

from dataclasses import dataclass

from gentle_crust.core.culture.culture import Culture
from gentle_crust.core.culture.events import Event, grams_at_end
from gentle_crust.core.culture.schedule import Schedule
from gentle_crust.core.messages import Message, message

WEEK_H = 168.0
SMALL_SEED_G = 10.0
"""The least culture that is kept in a jar over a week (practice)."""


@dataclass(frozen=True)
class Thrift:
    """One way of feeding: a sentence, and grams of culture thrown away and of flour eaten in a week."""

    code: str
    sentence: Message
    discard_g: float
    flour_g: float


@dataclass(frozen=True)
class Discard:
    """What was thrown away in the last week and the last four, what the standing feeds make, and what would be less."""

    week_g: float
    month_g: float
    now: Thrift | None
    less: tuple[Thrift, ...]


def thrown_g(events: tuple[Event, ...], since_h: float, until_h: float = 0.0) -> float:
    """Culture that went neither into a dough nor back into the jar, at feeds between two times; events in order."""
    total, begin = 0.0, 0
    for index, event in enumerate(events):
        if event.kind != "fed":
            begin = index if event.feeds else begin
            continue
        before = grams_at_end(events[begin:index])
        if since_h <= event.at_h <= until_h:
            total += max(before - event.seed_g, 0.0)
        begin = index
    return total


def discard(culture: Culture, events: tuple[Event, ...], now_h: float = 0.0) -> Discard:
    """The discard of a culture whose events are in order."""
    week, month = (thrown_g(events, now_h - weeks * WEEK_H, now_h) for weeks in (1, 4))
    feeds = [event for event in events if event.kind == "fed"]
    if not feeds or culture.schedule is None:
        return Discard(week, month, None, ())
    last = feeds[-1]
    now = _as_fed("as_now", message("thrift-as-now"), culture.schedule, last)
    candidates = [_smaller(culture.schedule, last), _weekly(culture.schedule, last)]
    less = tuple(each for each in candidates if each is not None and each.discard_g < 0.9 * now.discard_g)
    return Discard(week, month, now, less)


def _as_fed(code: str, sentence: Message, schedule: Schedule, fed: Event) -> Thrift:
    feeds = schedule.feeds_a_week
    return Thrift(code, sentence, feeds * (fed.fed_g - fed.seed_g), feeds * fed.flour_g)


def _smaller(schedule: Schedule, fed: Event) -> Thrift | None:
    """The same feed from less seed: the jar works alike, only smaller."""
    if fed.seed_g <= 1.2 * SMALL_SEED_G:
        return None
    part = SMALL_SEED_G / fed.seed_g
    flour, water = part * fed.flour_g, part * fed.water_g
    sentence = message("thrift-smaller", seed=round(SMALL_SEED_G), flour=round(flour), water=round(water))
    feeds = schedule.feeds_a_week
    return Thrift("smaller", sentence, feeds * (flour + water), feeds * flour)


def _weekly(schedule: Schedule, fed: Event) -> Thrift | None:
    """One feed a week and the fridge in between."""
    if schedule.feeds_a_week <= 1:
        return None
    sentence = message("thrift-weekly")
    return Thrift("weekly", sentence, fed.fed_g - fed.seed_g, fed.flour_g)
