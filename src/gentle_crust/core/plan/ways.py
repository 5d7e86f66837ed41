"""Ways to get there: the same bread by the same time in each of the styles that suit it."""

import math
from dataclasses import dataclass, replace
from datetime import timedelta

from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.plan import CoursePlan, in_style, plan
from gentle_crust.core.course.styles import fitting
from gentle_crust.core.errors import CraftError
from gentle_crust.core.messages import Message, message

MOST_LATER = timedelta(days=12)
TRIES = 2


@dataclass(frozen=True)
class Way:
    """One way: the style and what speaks for it, and its plan. Without a plan, why not."""

    style: str
    title: Message
    gives: Message
    plan: CoursePlan | None
    why_not: Message | None


def ways(asked: Asked) -> tuple[Way, ...]:
    """Each style that suits the formula and the kitchen, with its plan; one that cannot be reckoned says why."""
    found = []
    for style in fitting(asked.formula, asked.kitchen.vessels):
        try:
            made, why_not = in_time(in_style(asked, style)), None
        except CraftError as error:
            made, why_not = None, error.what
        found.append(Way(style.id, style.name, message(f"shown-way-{style.id}"), made, why_not))
    return tuple(found)


def in_time(asked: Asked) -> CoursePlan:
    """The plan; if it would have to begin in the past, that of the first later day on which it need not."""
    first = made = plan(asked)
    later = timedelta(0)
    for _ in range(TRIES):
        missed = max((problem.minutes for problem in made.problems if problem.code == "past"), default=0.0)
        if not missed or not asked.ready:
            return made
        later += timedelta(days=math.ceil(missed / 1440))
        if later > MOST_LATER:
            break
        made = plan(replace(asked, ready=tuple((name, at + later) for name, at in asked.ready)))
    return made if all(problem.code != "past" for problem in made.problems) else first
