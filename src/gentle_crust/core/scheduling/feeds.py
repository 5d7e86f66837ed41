"""What must ripen before a dough: levain, preferments, and the feeds that wake the culture for them."""

from dataclasses import replace

from gentle_crust.core.culture.hunger import recovered
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.formula.model import Preferment
from gentle_crust.core.scheduling.clock import Clock
from gentle_crust.core.scheduling.course import Recipe
from gentle_crust.core.scheduling.leaven import (
    CULTURE_KEPT_G,
    CULTURE_RATIOS,
    LEVAIN_RATIOS,
    Ripening,
    levain,
    quickest_h,
    yeasted,
)
from gentle_crust.core.scheduling.result import LevainBuild, dated
from gentle_crust.core.scheduling.whole import Course
from gentle_crust.core.scheduling.wish import Starter, Wish

LEAST_LEFT_G = 20.0
"""Less culture than this left in the jar is too little to keep alive (practice)."""


def feeds_first(wish: Wish, clock: Clock, at: float) -> int:
    """Feeds that the culture wants before a levain that is built at ``at`` (hours from the clock's origin)."""
    if wish.starter is None:
        return 1 if wish.culture == "hungry" else 0
    return wish.starter.feeds_first(clock.at(at))


def ripenings_for(made: Recipe, clock: Clock, mix: float, now: float, factors: Floats) -> tuple[Ripening, ...]:
    """All that ripens before a dough mixed at ``mix``, first things first."""
    formula = made.wish.formula
    yeasts = [
        yeasted(clock, mix, mass, formula, preferment, factors)
        for preferment, mass in made.ripened
        if preferment.kind != "levain"
    ]
    if not any(preferment.kind == "levain" for preferment, _ in made.ripened):
        return tuple(yeasts)
    builds = _builds(made, clock, mix, now, factors, 0)
    feeds = max(feeds_first(made.wish, clock, min(each.start for each in builds)), _short(made.wish.starter, builds))
    if not feeds:
        return (*_keeping(made, builds, clock, mix, now, factors), *yeasts)
    builds = _builds(made, clock, mix, now, factors, feeds)
    return (*_wakings(made, clock, now, factors, builds, feeds), *builds, *yeasts)


def levain_builds(course: Course, clock: Clock) -> tuple[LevainBuild, ...]:
    """The levains of a course by the clock."""
    formula = course.recipe.wish.formula
    masses = [mass for one, mass in course.recipe.ripened if one.kind == "levain"]
    found = []
    for each, mass in zip((one for one in course.ripenings if one.kind == "levain"), masses, strict=True):
        share = formula.flour(each.preferment.flour_kind)
        build, one = each.build, each.preferment
        found.append(
            LevainBuild(
                flour=share.name if share else one.flour_kind,
                hydration_percent=one.hydration_percent,
                needed_g=mass,
                kept_g=each.kept_g,
                seed_g=build.seed_g,
                flour_g=build.flour_g,
                water_g=build.water_g,
                at=clock.at(each.start),
                wanted=clock.at(each.wanted),
                ripe=dated(each.ripe, clock),
                spent=dated(each.spent, clock),
            )
        )
    return tuple(found)


def _lively(wish: Wish) -> float:
    return 1.0 if wish.starter is None else wish.starter.vigour.likely


def _builds(
    made: Recipe, clock: Clock, mix: float, now: float, factors: Floats, feeds: int, kept_g: float = 0.0
) -> list[Ripening]:
    """The levains, none begun before ``feeds`` equal-parts feeds could have been ripe."""
    wish = made.wish
    found: list[Ripening] = []
    for preferment, mass in made.ripened:
        if preferment.kind != "levain":
            continue
        earliest = now
        for _ in range(feeds):
            earliest += quickest_h(clock, earliest, mass, wish.formula, preferment, _lively(wish))
        if wish.starter is not None and wish.starter.seed_from is not None:
            earliest = max(earliest, clock.hours(wish.starter.seed_from))
        most = wish.starter.grams if wish.starter is not None and not feeds else float("inf")
        one = levain(
            "levain", clock, mix, earliest, mass, kept_g if not found else 0.0, wish.formula, preferment,
            LEVAIN_RATIOS, factors, _lively(wish), most,
        )  # fmt: skip
        found.append(_named(one, wish.starter))
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
    made: Recipe, builds: list[Ripening], clock: Clock, mix: float, now: float, factors: Floats
) -> list[Ripening]:
    """The builds; bigger by what goes back into the jar if too little would be left in it."""
    starter = made.wish.starter
    if starter is None or starter.grams - sum(each.build.seed_g for each in builds) >= LEAST_LEFT_G:
        return builds
    return _builds(made, clock, mix, now, factors, 0, CULTURE_KEPT_G)


def _wakings(
    made: Recipe, clock: Clock, now: float, factors: Floats, builds: list[Ripening], feeds: int
) -> list[Ripening]:
    """Feeds back to back before the first levain, the last of them leaving enough to keep."""
    wish = made.wish
    first = min(builds, key=lambda each: each.start)
    seed, kept, wanted = sum(each.build.seed_g for each in builds), CULTURE_KEPT_G, first.start
    own = _own_feed(first.preferment, wish.starter)
    grams = float("inf") if wish.starter is None else wish.starter.grams
    strength = 1.0 if wish.starter is None else wish.starter.strength
    strengths = [strength]
    for _ in range(feeds - 1):
        strengths.append(recovered(strengths[-1]))
    found: list[Ripening] = []
    for place in range(feeds - 1, -1, -1):
        most = grams if place == 0 else float("inf")
        lively = _lively(wish) * strengths[place]
        earliest = now
        for before in range(place):
            part = _lively(wish) * strengths[before]
            earliest += quickest_h(clock, earliest, seed + kept, wish.formula, own, part)
        feed = levain(
            "feed", clock, wanted, earliest, seed, kept, wish.formula, own, CULTURE_RATIOS, factors, lively, most,
        )  # fmt: skip
        found.insert(0, _named(feed, wish.starter))
        seed, kept, wanted = feed.build.seed_g, 0.0, feed.start
    return found
