"""Ways to get there: the same bread by the same time, warm and quick, steady, over night, or cold for days."""

import math
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from typing import Literal

from gentle_crust.core.errors import CraftError
from gentle_crust.core.messages import Message
from gentle_crust.core.scheduling.plan import make_plan
from gentle_crust.core.scheduling.result import Plan
from gentle_crust.core.scheduling.wish import Kitchen, Wish

WayCode = Literal["quick", "steady", "overnight", "days"]
QUICK_C, COOL_C = 27.5, 26.0
"""A dough in a hurry, and the warmest that a slow one begins with, C (practice)."""
MOST_LATER = timedelta(days=12)
TRIES = 3
RYE_WARMER_K = 2.0
"""Rye-rich dough likes it warmer than wheat (practice)."""


@dataclass(frozen=True)
class Way:
    """One way: what of the wish it changes, its plan, and what speaks for it. Without a plan, why not."""

    code: WayCode
    title: str
    gives: str
    proof: Literal["room", "cold"]
    dough_c: float
    fridge_days: int
    plan: Plan | None
    why_not: Message | None


def _in_time(wish: Wish, kitchen: Kitchen, now: datetime) -> Plan:
    """The plan; if it would have to begin in the past, that of the first later day on which it need not."""
    first = plan = make_plan(wish, kitchen, now)
    later = timedelta(0)
    for _ in range(TRIES):
        missed = max((problem.minutes for problem in plan.problems if problem.code == "past"), default=0.0)
        if not missed:
            return plan
        later += timedelta(days=math.ceil(missed / 1440))
        if wish.ready + later - now > MOST_LATER:
            break
        plan = make_plan(replace(wish, ready=wish.ready + later), kitchen, now)
    return plan if all(problem.code != "past" for problem in plan.problems) else first


def ways(wish: Wish, kitchen: Kitchen, now: datetime) -> tuple[Way, ...]:
    """The four ways, each with its plan; one that cannot be reckoned says why."""
    rye = RYE_WARMER_K if wish.formula.rye_rich else 0.0
    steady = min(wish.dough_c, COOL_C) if not rye else wish.dough_c
    days = 1 if wish.formula.leaven == "levain" else 2
    kinds: tuple[tuple[WayCode, str, str, Literal["room", "cold"], float, int], ...] = (
        ("quick", "Warm and quick", "Least time, mildest taste; it waits for nobody.", "room", QUICK_C + rye, 0),
        ("steady", "Room and steady", "A day of folds and looking; even, gentle flavour.", "room", steady, 0),
        ("overnight", "Overnight, cool", "It waits while you sleep; deeper taste, easy scoring.", "cold", steady, 0),
        (
            "days",
            "Cold for days",
            "The deepest flavour for the least attention; the dough tires in the end.",
            "cold",
            steady,
            days,
        ),
    )
    found = []
    for code, title, gives, proof, dough_c, more in kinds:
        asked = replace(wish, proof=proof, dough_c=dough_c, fridge_days=more)
        try:
            plan, why_not = _in_time(asked, kitchen, now), None
        except CraftError as error:
            plan, why_not = None, error.what
        found.append(Way(code, title, gives, proof, dough_c, more, plan, why_not))
    return tuple(found)
