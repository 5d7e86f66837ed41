"""What if: the same clock in a colder kitchen, with a weaker leaven, or with everything an hour late."""

from dataclasses import dataclass, replace
from datetime import datetime

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.fermentation.engine import first_crossing
from gentle_crust.core.fermentation.uncertainty import ONE
from gentle_crust.core.scheduling.carry import carry
from gentle_crust.core.scheduling.plan import plan_course
from gentle_crust.core.scheduling.problems import NEAR_TARGET
from gentle_crust.core.scheduling.result import RibbonPart
from gentle_crust.core.scheduling.ribbon import dough_parts
from gentle_crust.core.scheduling.say import clock as say_clock
from gentle_crust.core.scheduling.whole import Course
from gentle_crust.core.scheduling.wish import Kitchen, Wish

COLDER_K = 3.0
WEAKER = 0.8
LATE_H = 1.0


@dataclass(frozen=True)
class WhatIf:
    """One shade over the plan: what differs, what comes of it by the clock, and what to do."""

    code: str
    title: str
    sentence: str
    share: float
    parts: tuple[RibbonPart, ...]


def what_if(wish: Wish, kitchen: Kitchen, now: datetime) -> tuple[WhatIf, ...]:
    """Three shades of a plan; its times stay as they are, but for what is an hour late."""
    course, clock = plan_course(wish, kitchen, now)
    room = clock.room
    cold = replace(clock, room=replace(room, day_c=room.day_c - COLDER_K, night_c=room.night_c - COLDER_K))
    times = course.times
    late = replace(times, mix=times.mix + LATE_H)
    made = course.recipe
    shades = (
        ("colder", f"Kitchen {{{COLDER_K:.0f}|dc}} colder", cold, times, ONE),
        ("weaker", "Leaven a fifth weaker", clock, times, ONE * WEAKER),
        ("late", "Mixed an hour late", clock, late, ONE),
    )
    found = []
    for code, title, where, when, factor in shades:
        shade = carry(made, where, when, (), factor)
        found.append(_told(code, title, course, shade, where))
    return tuple(found)


def _told(code: str, title: str, plan: Course, shade: Course, clock: Clock) -> WhatIf:
    made, times = plan.recipe, shade.times
    share = shade.likely_share(times.load - times.proof_start)
    stop = first_crossing(shade.bulk.hours, shade.bulk.rise[:, 0], plan.bulk_rise)
    low, high = made.target.low, made.target.high
    by_clock = f"By the clock it meets the oven at {100 * share:.0f} %, wanted {100 * low:.0f} to {100 * high:.0f} %"
    if low - NEAR_TARGET <= share <= high + NEAR_TARGET:
        sentence = f"{by_clock}: nothing need change."
    elif np.isnan(stop):
        sentence = f"{by_clock}: bulk would not be there in time. Find it a warmer place."
    else:
        at = clock.at(times.mix + stop)
        sentence = f"{by_clock}. Let bulk go to {say_clock(at.isoformat())} instead of {_planned(plan, clock)}."
    return WhatIf(code, title, sentence, share, dough_parts(shade, clock))


def _planned(plan: Course, clock: Clock) -> str:
    return say_clock(clock.at(plan.times.bulk_end).isoformat())
