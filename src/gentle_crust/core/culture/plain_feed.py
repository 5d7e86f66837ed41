"""What a culture would do with a plain feed at 24 C: the measure by which two of them compare."""

from dataclasses import dataclass

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.culture.culture import Culture, jar_makeup_of
from gentle_crust.core.culture.feeding import carry_feeds
from gentle_crust.core.culture.life import Life
from gentle_crust.core.fermentation.uncertainty import Span, activities, band, span
from gentle_crust.core.leaven.build import ripe_hours, spent_hours

RATIO, WARM_C, GRAMS = 2.0, 24.0, 150.0
"""Two of flour to one of culture, in a jar at 24 C."""
HOURS = 16.0


@dataclass(frozen=True)
class PlainPoint:
    """Hours after the feed, and the rise then with its band."""

    hours: float
    rise: float
    low: float
    high: float


@dataclass(frozen=True)
class PlainFeed:
    """The course of a plain feed: hours to ripe and past it, low to high, and the rise along it."""

    ripe: Span
    spent: Span
    points: tuple[PlainPoint, ...]


def plain_feed(culture: Culture, life: Life, clock: Clock, now_h: float = 0.0) -> PlainFeed:
    """A plain feed of ``culture`` as strong and lively as it is now, with how sure that is."""
    seed = life.forecast.seed_at(now_h)
    factors = activities(life.vigour) * seed.strength
    ratios = (RATIO,) * len(factors)
    jar = jar_makeup_of(culture)
    trace = carry_feeds(jar, seed, ratios, now_h, HOURS, GRAMS, clock, WARM_C, WARM_C, factors)
    low, high = band(trace.rise)
    likely = trace.rise[:, trace.rise.shape[1] // 2]
    columns = np.column_stack([trace.hours, likely, low, high])
    points = tuple(PlainPoint(*(float(value) for value in row)) for row in columns)
    return PlainFeed(span(ripe_hours(trace)), span(spent_hours(trace)), points)
