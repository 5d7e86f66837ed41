"""What must ripen before a dough: levain, preferments, and the feeds that wake the culture for them."""

from dataclasses import dataclass, replace

from gentle_crust.core.clock import Clock
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.formula.model import Formula, Preferment
from gentle_crust.core.leaven.hunger import recovered
from gentle_crust.core.leaven.ripening import (
    CULTURE_KEPT_G,
    CULTURE_RATIOS,
    LEVAIN_RATIOS,
    Ripening,
    levain,
    quickest_h,
    yeasted,
)
from gentle_crust.core.leaven.starter import Starter

LEAST_LEFT_G = 20.0
"""Less culture than this left in the jar is too little to keep alive (practice)."""


@dataclass(frozen=True)
class Wanted:
    """What must ripen for a dough of ``formula``: each preferment with its grams, and the culture it is built from.

    Without a ``starter``, ``hungry`` says whether the culture wants a feed before the levain.
    """

    formula: Formula
    ripened: tuple[tuple[Preferment, float], ...]
    starter: Starter | None = None
    hungry: bool = False


def feeds_first(made: Wanted, clock: Clock, at: float) -> int:
    """Feeds that the culture wants before a levain that is built at ``at`` (hours from the clock's origin)."""
    if made.starter is None:
        return int(made.hungry)
    return made.starter.feeds_first(clock.at(at))


def ripenings_for(made: Wanted, clock: Clock, mix: float, now: float, factors: Floats) -> tuple[Ripening, ...]:
    """All that ripens before a dough mixed at ``mix``, first things first."""
    formula = made.formula
    yeasts = [
        yeasted(clock, mix, mass, formula, preferment, factors)
        for preferment, mass in made.ripened
        if preferment.kind != "levain"
    ]
    if not any(preferment.kind == "levain" for preferment, _ in made.ripened):
        return tuple(yeasts)
    builds = _builds(made, clock, mix, now, factors, 0)
    feeds = max(feeds_first(made, clock, min(each.start for each in builds)), _short(made.starter, builds))
    if not feeds:
        return (*_keeping(made, builds, clock, mix, now, factors), *yeasts)
    builds = _builds(made, clock, mix, now, factors, feeds)
    return (*_wakings(made, clock, now, factors, builds, feeds), *builds, *yeasts)


def _lively(made: Wanted) -> float:
    return 1.0 if made.starter is None else made.starter.vigour.likely


def _builds(
    made: Wanted, clock: Clock, mix: float, now: float, factors: Floats, feeds: int, kept_g: float = 0.0
) -> list[Ripening]:
    """The levains, none begun before ``feeds`` equal-parts feeds could have been ripe."""
    found: list[Ripening] = []
    for preferment, mass in made.ripened:
        if preferment.kind != "levain":
            continue
        earliest = now
        for _ in range(feeds):
            earliest += quickest_h(clock, earliest, mass, made.formula, preferment, _lively(made))
        if made.starter is not None and made.starter.seed_from is not None:
            earliest = max(earliest, clock.hours(made.starter.seed_from))
        most = made.starter.grams if made.starter is not None and not feeds else float("inf")
        one = levain(
            "levain", clock, mix, earliest, mass, kept_g if not found else 0.0, made.formula, preferment,
            LEVAIN_RATIOS, factors, _lively(made), most,
        )  # fmt: skip
        found.append(_named(one, made.starter))
    return found


def _named(one: Ripening, starter: Starter | None) -> Ripening:
    return one if starter is None else replace(one, culture=starter.name)


def _own_feed(levain_: Preferment, starter: Starter | None) -> Preferment:
    """What the culture itself is fed with: its own flour and water, or as the levain if nothing is known of it."""
    if starter is None:
        return levain_
    return replace(levain_, flour_kind=starter.flour_kind, hydration_percent=starter.hydration_percent)


def _short(starter: Starter | None, builds: list[Ripening]) -> int:
    """One feed more if the jar does not hold the seed."""
    seed = sum(each.build.seed_g for each in builds)
    return int(starter is not None and seed > starter.grams)


def _keeping(
    made: Wanted, builds: list[Ripening], clock: Clock, mix: float, now: float, factors: Floats
) -> list[Ripening]:
    """The builds; bigger by what goes back into the jar if too little would be left in it."""
    starter = made.starter
    if starter is None or starter.grams - sum(each.build.seed_g for each in builds) >= LEAST_LEFT_G:
        return builds
    return _builds(made, clock, mix, now, factors, 0, CULTURE_KEPT_G)


def _wakings(
    made: Wanted, clock: Clock, now: float, factors: Floats, builds: list[Ripening], feeds: int
) -> list[Ripening]:
    """Feeds back to back before the first levain, the last of them leaving enough to keep."""
    first = min(builds, key=lambda each: each.start)
    seed, kept, wanted = sum(each.build.seed_g for each in builds), CULTURE_KEPT_G, first.start
    own = _own_feed(first.preferment, made.starter)
    grams = float("inf") if made.starter is None else made.starter.grams
    strength = 1.0 if made.starter is None else made.starter.strength
    strengths = [strength]
    for _ in range(feeds - 1):
        strengths.append(recovered(strengths[-1]))
    found: list[Ripening] = []
    for place in range(feeds - 1, -1, -1):
        most = grams if place == 0 else float("inf")
        lively = _lively(made) * strengths[place]
        earliest = now
        for before in range(place):
            part = _lively(made) * strengths[before]
            earliest += quickest_h(clock, earliest, seed + kept, made.formula, own, part)
        feed = levain(
            "feed", clock, wanted, earliest, seed, kept, made.formula, own, CULTURE_RATIOS, factors, lively, most,
        )  # fmt: skip
        found.insert(0, _named(feed, made.starter))
        seed, kept, wanted = feed.build.seed_g, 0.0, feed.start
    return found
