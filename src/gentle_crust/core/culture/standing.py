"""Feeds that are given as usual between now and a wish: what the culture is by then."""

from dataclasses import dataclass

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.culture.culture import Culture
from gentle_crust.core.culture.events import Event
from gentle_crust.core.culture.life import Life, life_of

REST_H = 1.5
"""It stands this long in the room after a feed, so that it is alive when it goes cold (practice)."""
DAILY_FROM_H = 60.0
"""Wanted later than this, a culture in the room without standing feeds is taken to be fed daily (practice)."""
ROOM_FOR_A_FEED_H = 20.0
"""A feed as usual that comes later than this before the wish is one of the wish's own (practice)."""
TRIED = 3


@dataclass(frozen=True)
class Standing:
    """Feeds as usual, hours from the clock's origin, and whether it goes into the fridge after each."""

    hours: tuple[float, ...] = ()
    then_cold: bool = False
    assumed: bool = False
    """No standing feeds are set: these are taken to be given."""


def daily_of(life: Life, clock: Clock, now_h: float, at_h: float) -> Standing:
    """A feed a day at the hour of the last one, or when the baker is up, for a culture that stands in the room."""
    if life.place == "fridge" or at_h - now_h < DAILY_FROM_H:
        return Standing()
    hours = np.arange(life.fed.at_h + 24, at_h, 24)
    return Standing(tuple(up(clock, float(at)) for at in hours if at > now_h + 0.5), assumed=True)


def up(clock: Clock, at_h: float) -> float:
    """``at_h``, or when the baker gets up if that falls into sleep."""
    while clock.asleep_min(at_h, at_h + 1 / 6) >= 0.5:
        at_h += 0.25
    return at_h


def before(standing: Standing, now_h: float, at_h: float) -> tuple[tuple[float, ...], ...]:
    """The feeds as usual that may be given before a wish: as many as leave room for its own first, then fewer."""
    ahead = tuple(at for at in standing.hours if now_h < at <= at_h - ROOM_FOR_A_FEED_H)
    return tuple(ahead[: len(ahead) - fewer] for fewer in range(min(TRIED, len(ahead) + 1)))


def fed_as_usual(
    culture: Culture, events: tuple[Event, ...], feeds: tuple[float, ...], then_cold: bool, clock: Clock, now_h: float
) -> tuple[Life, float]:
    """The culture's life when ``feeds`` were given as the last one was, and the time from which it can be fed again."""
    known = tuple(event for event in events if event.at_h <= now_h)
    last = next(event for event in reversed(known) if event.feeds)
    seed, flour, water = (last.seed_g, last.flour_g, last.water_g) if last.kind == "fed" else _equal(culture, last)
    given = []
    for number, at in enumerate(feeds):
        given.append(
            Event(
                f"usual{number}",
                at,
                "fed",
                seed,
                flour,
                water,
                flour_kind=last.flour_kind,
                also_flours=last.also_flours,
            )
        )
        if then_cold:
            given.append(Event(f"cold{number}", at + REST_H, "moved", place="fridge"))
    from_h = now_h if not feeds else feeds[-1] + (REST_H + 0.1 if then_cold else 0.5)
    return life_of(culture, (*known, *given), clock, from_h), from_h


def _equal(culture: Culture, begun: Event) -> tuple[float, float, float]:
    """What feeds a culture whose last feed was its first: equal parts of it and of flour."""
    grams = begun.fed_g / 3
    return grams, grams, grams * culture.hydration_percent / 100
