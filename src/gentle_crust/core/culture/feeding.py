"""A wish for ripe levain at a time, answered: what to feed, when, in one feed or several, and how it then stands.

Every way is found by carrying the culture forward through its feeds; none is offered that is not ripe when wanted.
Times are hours from the clock's origin.
"""

from dataclasses import dataclass, replace
from functools import cached_property
from itertools import pairwise
from typing import Literal

import numpy as np
import numpy.typing as npt

from gentle_crust.core import limits
from gentle_crust.core.clock import Clock
from gentle_crust.core.culture.culture import Culture, jar_makeup_of
from gentle_crust.core.culture.jar import over_the_rim_ml
from gentle_crust.core.culture.life import MIX_C, Life, Seed, room_hours
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.fermentation.dough import Makeup
from gentle_crust.core.fermentation.engine import Leg, Trace, begin, run
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.uncertainty import Span, activities, span
from gentle_crust.core.leaven.build import SEED_YEAST, Build, build, jar_capacity, ripe_hours, spent_hours
from gentle_crust.core.leaven.hunger import HUNGRY_H, recovered
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import NOTHING, Message, joined, message

RATIOS = (1.0, 1.5, 2.0, 3.0, 4.0, 5.0, 6.0, 8.0, 10.0, 12.0)
"""Parts of flour to one of culture that are tried."""
SHOWN_RATIOS = 6
STEP_H = 0.5
LONGEST_H = 18.0
"""The longest that a feed is left to ripen, as it would last at 24 C."""
FURTHEST_H = 264.0
"""Ten days ahead, at any hour of the tenth."""
HANDS_H = 1 / 12
LATE_SEED_H = 5.0
"""A culture is still a good seed this long after its peak (practice)."""
FIT = 0.85
"""Strength from which a levain is built from a culture (practice)."""
YOUNG_SEED = 0.15
"""Yeast per flour from which the first feed of several is given: a jar that went cold early still raises (practice)."""
LEAST_SEED_G = 3.0
LEAST_BUILD_G = 20.0
"""Less seed cannot be weighed well, and less culture not be kept in a jar (practice)."""
TRIES = 6
EVERY = 4
"""Of the starts that are thought of, every so many is carried through."""
MOST_FEEDS = 3
BEST_PLACE = 0.3
"""Where in its ripe window it is best met: after it is ripe, well before it sinks (practice)."""
Spot = Literal["counter", "warm"]
BoolArray = npt.NDArray[np.bool_]


@dataclass(frozen=True)
class FeedWish:
    """``needed_g`` of ripe levain at ``at_h``, and ``kept_g`` left over. ``warm_c``: a warm place, if there is one."""

    needed_g: float
    kept_g: float
    at_h: float
    warm_c: float | None = None
    mix_c: float = MIX_C


@dataclass(frozen=True)
class PlannedFeed:
    """One feed of a way: when, how much, and where the jar then stands at what temperature."""

    at_h: float
    build: Build
    spot: Spot
    stands_c: float


@dataclass(frozen=True)
class FeedWay:
    """One way to the wish. ``ripe`` and ``spent`` are of the last feed; ``over_ml`` is what the jar is too small by.

    ``discard_g`` is the culture that is not needed at the first feed.
    """

    feeds: tuple[PlannedFeed, ...]
    ripe: Span
    spent: Span
    peak_rise: float
    over_ml: float
    discard_g: float
    flour_g: float


@dataclass(frozen=True)
class FeedAnswer:
    """Ways, the best first; without any, ``why_not`` says so, and ``night_way`` is one that would wake the baker."""

    ways: tuple[FeedWay, ...]
    why_not: Message
    night_way: FeedWay | None = None
    as_it_is: bool = False
    """The culture as it stands will be ripe then, and there is enough of it."""
    soonest_h: float | None = None
    """When it could be ripe at the soonest, if it cannot be when it is wanted."""
    usual_h: tuple[float, ...] = ()
    """Feeds as usual that are given before the first of the ways'."""
    assumed: bool = False
    """No feeds as usual are set: a daily one is taken to be given."""


@dataclass(frozen=True)
class _Found:
    """A way that is ripe when it is wanted, as is likely; ``seed`` goes into its last feed."""

    feeds: tuple[PlannedFeed, ...]
    seed: Seed
    ripe_h: float
    spent_h: float
    peak_rise: float


@dataclass(frozen=True)
class _Table:
    """Feeds side by side: rows are starts, columns are ratios; hours from the origin."""

    spot: Spot
    starts: Floats
    ripe: Floats
    spent: Floats


def check_wish(wish: FeedWish) -> None:
    """Raise CraftError for what no jar can give."""
    within("needed_g", limits.LEVAIN_NEEDED_G, wish.needed_g)
    within("kept_g", limits.KEPT_G, wish.kept_g)
    within("at", Limit("time-until-it-is-wanted", 0.0, FURTHEST_H, "h"), wish.at_h)
    if wish.warm_c is not None:
        within("warm_c", limits.WARM_PLACE_C, wish.warm_c)


def starts_of(now_h: float, at_h: float, clock: Clock) -> Floats:
    """Times at which a feed may be given: now, and every half hour by the clock from then on."""
    now = clock.at(now_h)
    past = (now.minute % 30 + now.second / 60) / 60
    later = np.arange(now_h + STEP_H - past if past else now_h, at_h - 1.5, STEP_H)
    return later if not past or at_h - now_h <= 1.5 else np.concatenate([[now_h], later])


def carry_feeds(
    jar: Makeup, seed: Seed, ratios: tuple[float, ...], start: float, hours: float, grams: float, clock: Clock,
    warm_c: float | None, mix_c: float, activity: Floats,
) -> Trace:  # fmt: skip
    """Just-fed jars through ``hours`` from ``start``, one column a pair of ``ratios`` and ``activity``."""
    steps = max(int(np.ceil(hours / STEP_H)), 2)
    middles = start + (np.arange(steps) + 0.5) * hours / steps
    ambient = clock.room_c(middles) if warm_c is None else np.full(steps, warm_c)
    state = begin(jar, mix_c, len(ratios))
    flour = 1 / (1 + jar.hydration)
    share = np.array([flour / (flour + ratio) for ratio in ratios])
    state = replace(state, yeast=share * seed.yeast, bacteria=share * seed.bacteria)
    return run(jar, state, Leg(hours, ambient, "covered_bowl", max(grams, 20.0), jar_capacity(jar)), activity)


def feed_for(culture: Culture, life: Life, wish: FeedWish, clock: Clock, now_h: float = 0.0) -> FeedAnswer:
    """Ways to ``wish`` from the culture as it lives now. Raises CraftError for a wish that is none."""
    check_wish(wish)
    if wish.at_h < now_h:
        raise CraftError("at", "culture-wanted-past")
    as_it_is = _as_it_is(life, wish)
    search = _Search(culture, life, wish, clock, now_h)
    ways = search.ways(awake=True)
    if ways or as_it_is:
        return FeedAnswer(tuple(ways), NOTHING, None, as_it_is)
    night = search.ways(awake=False)
    return FeedAnswer((), _why_not(search, bool(night)), night[0] if night else None, False, search.soonest())


def _as_it_is(life: Life, wish: FeedWish) -> bool:
    """Whether the last feed will itself be ripe when it is wanted, and is enough."""
    if life.grams < wish.needed_g + wish.kept_g or life.ripe.likely is None:
        return False
    return life.ripe.likely <= wish.at_h <= (life.spent.likely or life.ripe.likely)


class _Search:
    """The tables of one wish, each reckoned when it is first asked for."""

    def __init__(self, culture: Culture, life: Life, wish: FeedWish, clock: Clock, now_h: float) -> None:
        self.culture, self.life, self.wish, self.clock, self.now_h = culture, life, wish, clock, now_h
        self.jar = jar_makeup_of(culture)
        self.spots: tuple[Spot, ...] = ("counter",) if wish.warm_c is None else ("counter", "warm")
        self.longest = {spot: self._longest(spot) for spot in self.spots}
        self.tables: dict[tuple[str, Spot], _Table] = {}

    def _longest(self, spot: Spot) -> float:
        """The longest that a feed may take to ripen and sink there, h: longer in the cool, and for a weak culture."""
        lively = min(max(self.life.vigour.likely * self.life.seed.strength, 0.5), 1.0)
        hours = LONGEST_H / lively
        return hours if spot == "warm" else room_hours(self.clock, self.wish.at_h - 24, hours)

    def table(self, role: str, spot: Spot) -> _Table:
        """Feeds side by side. ``role`` is only (one feed does it), first (of a chain), later or last of one."""
        if (role, spot) not in self.tables:
            starts = self._starts(role)
            forecast = self.life.forecast
            known = role in ("only", "first")
            seeds = [forecast.seed_at(float(at)) if known else self._ripe_seed() for at in starts]
            self.tables[role, spot] = self._side_by_side(spot, starts, seeds)
        return self.tables[role, spot]

    def _side_by_side(self, spot: Spot, starts: Floats, seeds: list[Seed]) -> _Table:
        """Some starts are carried through; between them ripening changes smoothly, and is read off a line."""
        if not len(starts):
            empty = np.empty((0, len(RATIOS)))
            return _Table(spot, starts, empty, empty)
        knots = sorted({*range(0, len(starts), EVERY), len(starts) - 1})
        warm = self.wish.warm_c if spot == "warm" else None
        grams, hours, mix_c = self.wish.needed_g + self.wish.kept_g, self.longest[spot], self.wish.mix_c
        takes = []
        for knot in knots:
            at, seed = float(starts[knot]), seeds[knot]
            activity = np.full(len(RATIOS), self.life.vigour.likely * seed.strength)
            trace = carry_feeds(self.jar, seed, RATIOS, at, hours, grams, self.clock, warm, mix_c, activity)
            takes.append((ripe_hours(trace), spent_hours(trace)))
        ripe, spent = (
            np.column_stack([np.interp(starts, starts[knots], column) for column in np.array(each).T])
            for each in zip(*takes, strict=True)
        )
        ripe, spent = starts[:, None] + ripe, starts[:, None] + spent
        return _Table(spot, starts, ripe, np.where(np.isnan(spent), ripe + 2.0, spent))

    def _starts(self, role: str) -> Floats:
        starts = starts_of(self.now_h, self.wish.at_h, self.clock)
        if role == "only":
            starts = np.array([at for at in starts if self.wakes(float(at), 1)])
        if role in ("only", "last"):
            return starts[starts > self.wish.at_h - max(self.longest.values())]
        hourly = starts[:1].tolist() + starts[1::2].tolist()
        return np.array([at for at in hourly if at > self.wish.at_h - MOST_FEEDS * max(self.longest.values())])

    def _ripe_seed(self) -> Seed:
        return Seed(1.0, 1.0, recovered(self.life.forecast.seed_at(self.now_h).strength))

    def wakes(self, at_h: float, feeds: int) -> bool:
        """Whether a culture that is first fed at ``at_h`` is grown by then, and awake by the last of so many feeds."""
        forecast = self.life.forecast
        if forecast.seed_at(at_h).yeast < (SEED_YEAST if feeds == 1 else YOUNG_SEED):
            return False
        strength = forecast.seed_at(at_h).strength
        if feeds == 1 and forecast.hunger_at(at_h) > HUNGRY_H:
            return False
        for _ in range(feeds - 1):
            strength = recovered(strength)
        return strength >= FIT

    def ways(self, awake: bool) -> list[FeedWay]:
        """Ways of one feed; if there is none, of two, and of three. With ``awake``, none that wakes the baker."""
        for feeds in range(1, MOST_FEEDS + 1):
            found = [way for spot in self.spots for way in self._of(feeds, spot, awake)]
            if found:
                best = sorted(found, key=self._worse)[:SHOWN_RATIOS]
                return [self._finished(each) for each in best]
        return self._at_once(awake)

    def _at_once(self, awake: bool) -> list[FeedWay]:
        """Equal parts soon and whenever that is ripe: the soonest way, which the hours of the tables may just miss."""
        picks, ripe = self._equal_parts(self._first_up()) if awake else self._equal_parts_now
        if ripe is None or ripe > self.wish.at_h:
            return []
        if awake and not self._awake(np.array([at for at, _ in picks])).all():
            return []
        way = self._way(picks, self.spots[-1], len(picks))
        return [] if way is None else [self._finished(way)]

    def soonest(self) -> float | None:
        """When an equal-parts feed now, after those that wake the culture, would be ripe, h; None if it never is."""
        return self._equal_parts_now[1]

    def _first_up(self) -> float:
        """When hands are awake at the soonest, h; now, where they are not before the levain is wanted."""
        starts = starts_of(self.now_h, self.wish.at_h, self.clock)
        return float(np.append(starts[self._awake(starts)], self.now_h)[0])

    @cached_property
    def _equal_parts_now(self) -> tuple[list[tuple[float, float]], float | None]:
        return self._equal_parts(self.now_h)

    def _equal_parts(self, at: float) -> tuple[list[tuple[float, float]], float | None]:
        """Starts and ratios of the feeds of that chain, the first at ``at``, and when the last of them is ripe."""
        seed, spot = self.life.forecast.seed_at(at), self.spots[-1]
        feeds = next((feeds for feeds in range(1, MOST_FEEDS + 1) if self.wakes(at, feeds)), MOST_FEEDS)
        picks: list[tuple[float, float]] = []
        for made in self._builds([1.0] * feeds):
            feed = PlannedFeed(at, made, spot, 0.0)
            picks.append((at, 1.0))
            trace = self._carry(feed, seed, self.longest[spot], np.array([self.life.vigour.likely * seed.strength]))
            hours = float(ripe_hours(trace)[0])
            if np.isnan(hours):
                return picks, None
            seed = self._seed_after(feed, seed, at + hours)
            at += hours
        return picks, at

    def _builds(self, ratios: list[float]) -> list[Build]:
        """What each feed of a chain weighs: the last makes what is wanted, each before it the seed of the next."""
        needed, kept = self.wish.needed_g, self.wish.kept_g
        found: list[Build] = []
        for ratio in reversed(ratios):
            found.insert(0, build(needed, kept, ratio, self.jar.hydration))
            needed, kept = max(found[0].seed_g, LEAST_BUILD_G), 0.0
        return found

    def _worse(self, found: _Found) -> float:
        place = (self.wish.at_h - found.ripe_h) / max(found.spent_h - found.ripe_h, 0.1)
        last = found.feeds[-1].build
        over = over_the_rim_ml(self.culture.jar, last.g, found.peak_rise) > 0
        return abs(place - BEST_PLACE) + (0.5 if over else 0.0) + 0.02 * last.ratio

    def _awake(self, starts: Floats) -> BoolArray:
        """Whether hands are awake at each start."""
        return np.array([self.clock.asleep_min(float(at), float(at) + HANDS_H) < 0.5 for at in starts], dtype=bool)

    def _off(self, table: _Table) -> Floats:
        """How far from the best place in its ripe window each feed is met; infinite if not in the window."""
        place = (self.wish.at_h - table.ripe) / np.maximum(table.spent - table.ripe, 0.1)
        off: Floats = np.where((place >= 0) & (place <= 1), abs(place - BEST_PLACE), np.inf)
        return off

    def _of(self, feeds: int, spot: Spot, awake: bool) -> list[_Found]:
        """The best way of so many feeds for each ratio of the last one."""
        roles = ["only"] if feeds == 1 else ["first", *["later"] * (feeds - 2), "last"]
        tables = [self.table(role, spot) for role in roles]
        if not all(len(table.starts) for table in tables):
            return []
        able = [self._awake(table.starts) if awake else np.ones(len(table.starts), dtype=bool) for table in tables]
        if feeds > 1:
            able[0] &= np.array([self.wakes(float(at), feeds) for at in tables[0].starts], dtype=bool)
        off = np.where(able[-1][:, None], self._off(tables[-1]), np.inf)
        found = []
        for column, ratio in enumerate(RATIOS):
            rows = [int(row) for row in np.argsort(off[:, column], kind="stable") if np.isfinite(off[row, column])]
            for row in rows[:TRIES]:
                last = (float(tables[-1].starts[row]), ratio)
                way = self._way([*self._before(tables[:-1], able[:-1], last), last], spot, feeds)
                if way is not None:
                    found.append(way)
                    break
        return found

    def _before(
        self, tables: list[_Table], able: list[BoolArray], last: tuple[float, float]
    ) -> list[tuple[float, float]]:
        """Starts and ratios of feeds that make a good seed for the last feed (its start and ratio).

        Fewer than asked for if there are none; none asks for less seed than can be weighed.
        """
        picks: list[tuple[float, float]] = []
        at_h, ratios_after = last[0], [last[1]]
        for table, hands in zip(reversed(tables), reversed(able), strict=True):
            ripe, late = table.ripe, table.spent + LATE_SEED_H
            weighed = [self._builds([ratio, *ratios_after])[0].seed_g >= LEAST_SEED_G for ratio in RATIOS]
            good = (ripe <= at_h) & (at_h <= late) & hands[:, None] & np.array(weighed)
            if not good.any():
                return []
            place = np.where(good, abs((at_h - ripe) / (late - ripe) - BEST_PLACE), np.inf)
            row, column = (int(index) for index in np.unravel_index(int(place.argmin()), place.shape))
            at_h = float(table.starts[row])
            ratios_after.insert(0, RATIOS[column])
            picks.insert(0, (at_h, RATIOS[column]))
        return picks

    def _way(self, picks: list[tuple[float, float]], spot: Spot, feeds_wanted: int) -> _Found | None:
        """A chain with its grams, carried through; None if it asks for more seed than there is, or is not ripe then."""
        if len(picks) < feeds_wanted:
            return None
        feeds = []
        for (at, _), made in zip(picks, self._builds([ratio for _, ratio in picks]), strict=True):
            stands = float(self.wish.warm_c or 0) if spot == "warm" else self.clock.room_at(at)
            feeds.append(PlannedFeed(at, made, spot, stands))
        if not LEAST_SEED_G <= feeds[0].build.seed_g <= self.life.grams:
            return None
        seed = self.life.forecast.seed_at(feeds[0].at_h)
        for feed, following in pairwise(feeds):
            seed = self._seed_after(feed, seed, following.at_h)
            if seed.yeast < SEED_YEAST:
                return None
        return self._likely(tuple(feeds), seed)

    def _carry(self, feed: PlannedFeed, seed: Seed, hours: float, activity: Floats) -> Trace:
        warm = self.wish.warm_c if feed.spot == "warm" else None
        ratios = (feed.build.ratio,) * len(activity)
        return carry_feeds(
            self.jar, seed, ratios, feed.at_h, hours, feed.build.g, self.clock, warm, self.wish.mix_c, activity
        )

    def _seed_after(self, feed: PlannedFeed, seed: Seed, at_h: float) -> Seed:
        """What one feed of a chain brings into the next at ``at_h``."""
        trace = self._carry(feed, seed, at_h - feed.at_h, np.array([self.life.vigour.likely * seed.strength]))
        yeast = float(trace.yeast[-1, 0])
        return Seed(yeast, float(trace.bacteria[-1, 0]), recovered(seed.strength, yeast))

    def _likely(self, feeds: tuple[PlannedFeed, ...], seed: Seed) -> _Found | None:
        """The last feed carried through as is likely; None if it is not ripe when it is wanted."""
        last = feeds[-1]
        trace = self._carry(last, seed, self.longest[last.spot], np.array([self.life.vigour.likely * seed.strength]))
        ripe, spent = last.at_h + float(ripe_hours(trace)[0]), last.at_h + float(spent_hours(trace)[0])
        spent = ripe + 2.0 if np.isnan(spent) else spent
        if not ripe <= self.wish.at_h <= spent:
            return None
        return _Found(feeds, seed, ripe, spent, float(trace.rise.max()))

    def _finished(self, found: _Found) -> FeedWay:
        """A way with all its uncertainty."""
        last = found.feeds[-1]
        factors = activities(self.life.vigour) * found.seed.strength
        trace = self._carry(last, found.seed, self.longest[last.spot], factors)
        return FeedWay(
            found.feeds,
            span(last.at_h + ripe_hours(trace)),
            span(last.at_h + spent_hours(trace)),
            found.peak_rise,
            over_the_rim_ml(self.culture.jar, last.build.g, found.peak_rise),
            max(self.life.grams - found.feeds[0].build.seed_g, 0.0),
            sum(feed.build.flour_g for feed in found.feeds),
        )


def _why_not(search: _Search, by_night: bool) -> Message:
    """What stands in the way, with by how much where that can be said; ``by_night``: there is a way for who gets up."""
    wish, life = search.wish, search.life
    instead = message("why-not-help")
    if by_night:
        return joined(message("why-not-asleep"), instead)
    if build(wish.needed_g, wish.kept_g, RATIOS[-1], search.jar.hydration).seed_g > life.grams:
        return joined(message("why-not-too-little", grams=round(life.grams)), instead)
    soonest = search.soonest()
    if soonest is not None and soonest <= wish.at_h:
        starved = life.forecast.hunger_at(wish.at_h - max(search.longest.values())) > HUNGRY_H
        return message("why-not-starved") if starved else joined(message("why-not-between"), instead)
    late = message("why-not-too-short")
    if soonest is not None:
        late = message("why-not-too-short-by", minutes=round(60 * (soonest - wish.at_h)))
    if search.wakes(search.now_h, 1):
        return joined(message("why-not-ripe", late=late), instead)
    return joined(message("why-not-hungry", late=late, feeds=max(life.wake_feeds, 1)), instead)
