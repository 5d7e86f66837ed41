"""One feed in one jar, and what was seen of it since: when it peaks, when it is ripe, how it is now."""

from dataclasses import dataclass, field, replace
from functools import reduce
from typing import Literal, get_args

import numpy as np

from gentle_crust.core import limits
from gentle_crust.core.culture.events import CHOICES
from gentle_crust.core.culture.life import FRESH_H, phases_at
from gentle_crust.core.culture.seen import PHASES, Phases, as_seen, fallen_h, held_against, outdated
from gentle_crust.core.culture.verdict import is_foul, weigh_cues
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.fermentation.dough import Dough, FlourPart, Makeup, makeup
from gentle_crust.core.fermentation.engine import State, Trace, begin, end_to_end
from gentle_crust.core.fermentation.forecast import Stretch, carry, check_path, long_enough
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.readings import DEAD_BELOW, HARD_TO_BELIEVE_RISE, Reading, check, grid, update
from gentle_crust.core.fermentation.uncertainty import ONE, Span, Vigour, activities, span, unknown
from gentle_crust.core.leaven.build import ripe_hours, spent_hours
from gentle_crust.core.messages import Message, message

CultureVerdict = Literal["rising", "ripe", "past_peak", "hungry", "spoilt", "not_rising"]
VERDICTS: dict[str, CultureVerdict] = {"rising": "rising", "ripe": "ripe", "past": "past_peak", "hungry": "hungry"}
TABLED = {"float": "floated"}
"""Cues of judging a culture that its table, and what is kept of it, name otherwise."""
CUES = {cue: get_args(CHOICES[TABLED.get(cue, cue)]) for cue in ("surface", "float", "smell", "liquid", "growth")}
"""What may be seen of a culture, and what of each."""
FOLLOWED_H = 48.0
HARDLY_RISEN, LATE = 0.15, 1.3
"""A rise under which a culture that should be ripe has not risen, and how many times that time is late (practice)."""


@dataclass(frozen=True)
class Feed:
    """Grams of seed, flour and water of a feed."""

    seed_g: float
    flour_g: float
    water_g: float


@dataclass(frozen=True)
class Look:
    """What was seen ``hours`` after the feed: the rise over its start (fraction), and cues by name.

    The cues are those of judging a culture, and ``growth``: clean, or what grows on it.
    """

    hours: float
    rise: float | None = None
    cues: dict[str, str | float] = field(default_factory=dict)

    @property
    def risen(self) -> float | None:
        """The rise, if it was read, or told as how many times its height."""
        ratio = self.cues.get("height_ratio")
        return float(ratio) - 1 if self.rise is None and ratio is not None else self.rise

    @property
    def spoilt(self) -> bool:
        """Whether something grows on it, or it smells rotten."""
        return is_foul(self.cues.get("growth"), self.cues.get("smell"))


@dataclass(frozen=True)
class Fed:
    """A jar that was fed: ``flours`` of seed and feed alike, ``hydration`` of the seed (fraction), where it stands."""

    flours: tuple[FlourPart, ...]
    hydration: float
    feed: Feed
    path: tuple[Stretch, ...]
    looks: tuple[Look, ...] = ()
    start_c: float = 24.0

    @property
    def seed_flour_g(self) -> float:
        """Flour that the seed brings."""
        return self.feed.seed_g / (1 + self.hydration)

    @property
    def now_h(self) -> float:
        """The last look, or the end of the path."""
        return self.looks[-1].hours if self.looks else sum(stretch.hours for stretch in self.path)

    def jar(self) -> Makeup:
        """The jar as its fermentation sees it."""
        flour = self.seed_flour_g + self.feed.flour_g
        total = sum(part.g for part in self.flours)
        flours = tuple(FlourPart(part.kind, flour * part.g / total) for part in self.flours)
        water = self.feed.water_g + self.feed.seed_g - self.seed_flour_g
        return replace(makeup(Dough(flours, water)), in_jar=True)

    def just_fed(self, factors: int) -> State:
        """It just after the feed, its seed ripe; one column an activity."""
        share = self.seed_flour_g / (self.seed_flour_g + self.feed.flour_g)
        ones = np.ones(factors)
        return replace(begin(self.jar(), self.start_c, factors), yeast=share * ones, bacteria=share * ones)


@dataclass(frozen=True)
class PeakSpan:
    """The greatest rise and hours to it, low to high."""

    rise: Span
    hours: Span


@dataclass(frozen=True)
class RipeSpan:
    """Hours after the feed between which it is ripe; None where it is not within two days."""

    from_h: float | None
    to_h: float | None


@dataclass(frozen=True)
class Now:
    """The culture at the last look: its rise, a verdict, and the reason."""

    rise: float
    verdict: CultureVerdict
    why: Message


@dataclass(frozen=True)
class Foretold:
    """What becomes of a feed; ``vigour``: what is believed of the culture, 1 being usual."""

    peak: PeakSpan
    ripe: RipeSpan
    now: Now
    vigour: Span


def _check(fed: Fed) -> None:
    if not fed.flours or sum(part.g for part in fed.flours) <= 0:
        raise CraftError("flours", "fermentation-no-flour")
    within("hydration", limits.LEVAIN_WATER, fed.hydration)
    for name in ("seed_g", "flour_g", "water_g"):
        within(f"feed.{name.removesuffix('_g')}", limits.INGREDIENT_G, getattr(fed.feed, name))
    if fed.feed.seed_g <= 0 or fed.feed.flour_g <= 0:
        raise CraftError("feed", "culture-feed-empty")
    within("start_c", limits.MEASURED_DOUGH_C, fed.start_c)
    check_path(fed.path)
    for index, look in enumerate(fed.looks):
        within(f"looks.{index}.hours", limits.PATH_H, look.hours)
        if look.rise is not None:
            check(Reading(look.hours, "rise_jar", look.rise), f"looks.{index}")
        _check_cues(f"looks.{index}.cues", look)


def _check_cues(where: str, look: Look) -> None:
    """Refuse a cue that is none of a culture, or a value that it cannot take."""
    for cue, value in look.cues.items():
        if cue == "height_ratio":
            if isinstance(value, str):
                raise CraftError(f"{where}.{cue}", "readiness-cue-not-a-figure", value=value, unit="times")
            within(f"{where}.{cue}", limits.HEIGHT_RATIO, value)
            continue
        names = CUES.get(cue, ())
        if not names:
            raise CraftError(f"{where}.{cue}", "readiness-cue-unknown", cue=cue, stage="culture", names=tuple(CUES))
        if value not in names:
            shown = str(value)
            raise CraftError(f"{where}.{cue}", "readiness-cue-value-unknown", cue=cue, value=shown, names=names)


def looked_at(fed: Fed) -> Foretold:
    """What becomes of a feed, as was foretold and as was seen since.

    Heights that were read move what is believed of the culture; what was seen outweighs what was foretold. The last
    stretch of the path goes on. CraftError, naming the field, for what cannot be.
    """
    _check(fed)
    fed = replace(fed, looks=tuple(sorted(fed.looks, key=lambda each: each.hours)))
    belief = _believed(fed)
    factors = activities(belief)
    trace = _trace(fed, belief, factors)
    ripe, spent = ripe_hours(trace), spent_hours(trace)
    read, middle = _readings(fed), len(factors) // 2
    if (fell := fallen_h(read)) is not None:
        spent = np.fmin(spent, fell)
    risen = as_seen(trace, read)
    top = risen.argmax(axis=0)
    peak = PeakSpan(span(risen.max(axis=0)), span(trace.hours[top]))
    return Foretold(
        peak, RipeSpan(_at(ripe[middle]), _at(spent[middle])), _now(fed, belief, trace, risen), span(factors)
    )


def _at(hours: float) -> float | None:
    return None if np.isnan(hours) else float(hours)


def _trace(fed: Fed, belief: Vigour, factors: Floats) -> Trace:
    path = long_enough(fed.path, max(FOLLOWED_H, fed.now_h + 1))
    grams = max(fed.feed.seed_g + fed.feed.flour_g + fed.feed.water_g, 20.0)
    return reduce(end_to_end, carry(fed.jar(), fed.just_fed(len(factors)), path, grams, belief, factors, jar=True))


def _readings(fed: Fed) -> tuple[Reading, ...]:
    return tuple(Reading(each.hours, "rise_jar", each.risen, True) for each in fed.looks if each.risen is not None)


def _believed(fed: Fed) -> Vigour:
    """What is believed of the culture: as is usual, moved by heights up to its peak, from which all look alike."""
    read = _readings(fed)
    highest = max((each.value for each in read), default=0.0)
    first_at_top = next((each.at_h for each in read if each.value == highest), 0.0)
    rising = tuple(each for each in read if each.at_h <= first_at_top or each.value > highest - HARD_TO_BELIEVE_RISE)
    if not rising:
        return unknown()
    exact = replace(unknown(), sigma=0.0)
    trace = _trace(fed, exact, grid(unknown()))
    return update(rising, lambda at: np.array([np.interp(at, trace.hours, column) for column in trace.rise.T]))


def _now(fed: Fed, belief: Vigour, trace: Trace, risen: Floats) -> Now:
    now, read = fed.now_h, _readings(fed)
    rise = float(np.interp(now, trace.hours, risen[:, risen.shape[1] // 2]))
    if read and now - read[-1].at_h < 1e-9:
        rise = read[-1].value
    fresh = [look for look in fed.looks if now - look.hours <= FRESH_H]
    if any(look.spoilt for look in fresh):
        return Now(rise, "spoilt", message("looked-spoilt"))
    if belief.likely < DEAD_BELOW or _never_rose(fed):
        return Now(rise, "not_rising", message("looked-not-rising", hours=round(now, 1), percent=round(100 * rise)))
    told = ((look.hours, TABLED.get(cue, cue), value) for look in fresh for cue, value in look.cues.items())
    cues = {cue: str(value) for at, cue, value in told if not outdated(cue, at, fallen_h(read))}
    if not read and not cues:
        likeliest = _by_the_clock(trace, now)
    else:
        phases = weigh_cues(_phases(fed, trace, risen, rise), cues)
        likeliest = max(PHASES, key=lambda each: float(getattr(phases, each)))
    code = "looked-seen" if read or cues else "looked-foretold"
    why = message(code, percent=round(100 * rise), phase=message(f"looked-{likeliest}"))
    return Now(rise, VERDICTS[likeliest], why)


def _by_the_clock(trace: Trace, now_h: float) -> str:
    """The phase that the likely course is in, where nothing was seen."""
    middle = trace.rise.shape[1] // 2
    ripe, spent = ripe_hours(trace)[[middle]], spent_hours(trace)[[middle]]
    phases = phases_at(now_h, ripe, spent, trace)
    return max(PHASES, key=lambda each: float(getattr(phases, each)))


def _never_rose(fed: Fed) -> bool:
    """Whether nothing was seen to rise long after a usual culture would be ripe."""
    read = _readings(fed)
    if not read or max(each.value for each in read) >= HARDLY_RISEN:
        return False
    should_h = float(ripe_hours(_trace(fed, replace(unknown(), sigma=0.0), ONE))[0])
    return not np.isnan(should_h) and read[-1].at_h > LATE * should_h


def _phases(fed: Fed, trace: Trace, risen: Floats, rise: float) -> Phases:
    """How likely each phase is by the forecast, and by how high it stands."""
    foretold = phases_at(fed.now_h, ripe_hours(trace), spent_hours(trace), trace)
    read = _readings(fed)
    return held_against(foretold, risen, read, rise) if read else foretold
