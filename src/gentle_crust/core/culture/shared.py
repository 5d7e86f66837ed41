"""One build of levain for several doughs, where their times lie within one ripe window."""

from dataclasses import dataclass
from datetime import datetime, timedelta

from gentle_crust.core.messages import Message


@dataclass(frozen=True)
class Demand:
    """Levain that a plan wants: when, how much, of which flour and water, and when it would be built for it alone."""

    plan_id: str
    name: str
    culture_id: str
    flour: Message
    hydration_percent: float
    needed_g: float
    build_at: datetime
    seed_g: float
    wanted: datetime
    ripe: datetime
    spent: datetime


@dataclass(frozen=True)
class SharedBuild:
    """One build for all of ``into``: begun at ``at``, ripe for the first and not yet past it for the last."""

    at: datetime
    needed_g: float
    seed_g: float
    flour_g: float
    water_g: float
    into: tuple[Demand, ...]


def share_builds(demands: tuple[Demand, ...]) -> tuple[SharedBuild, ...]:
    """Demands of one culture, flour and water, built together where one build serves them, else apart.

    The earliest dough's build is the one that the others join, if it is not spent before they want it.
    """
    left = sorted(demands, key=lambda demand: demand.wanted)
    found = []
    while left:
        first = left[0]
        mine = [each for each in left if _joins(first, each)]
        left = [each for each in left if each not in mine]
        found.append(_together(first, tuple(mine)))
    return tuple(found)


def _joins(first: Demand, other: Demand) -> bool:
    same = (first.culture_id, first.flour, round(first.hydration_percent)) == (
        other.culture_id,
        other.flour,
        round(other.hydration_percent),
    )
    soon = first.ripe - timedelta(minutes=30) <= other.wanted <= first.spent
    return other is first or (same and soon)


def _together(first: Demand, into: tuple[Demand, ...]) -> SharedBuild:
    """All of them in the proportions of the first one's build."""
    needed = sum(each.needed_g for each in into)
    seed = first.seed_g * needed / first.needed_g
    rest = needed * (1 - first.seed_g / first.needed_g)
    flour = rest / (1 + first.hydration_percent / 100)
    return SharedBuild(first.build_at, needed, seed, flour, rest - flour, into)
