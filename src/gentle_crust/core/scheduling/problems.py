"""What about a wish cannot be met, and by how much."""

from datetime import datetime

from gentle_crust.core.oven.equipment import TOO_COOL_K, fits
from gentle_crust.core.scheduling.clock import Clock
from gentle_crust.core.scheduling.result import Problem, Step
from gentle_crust.core.scheduling.say import c, duration, lower
from gentle_crust.core.scheduling.say import clock as say_clock
from gentle_crust.core.scheduling.whole import Course
from gentle_crust.core.scheduling.wish import Kitchen

NEAR_TARGET = 0.015
"""A share of greatest volume this near its target counts as in it."""
LAST_LOAD_BEYOND = 0.05
YOUNG_H = 0.35
"""A culture may be this much younger than a good seed, h (practice)."""


def find(
    course: Course, ladder: tuple[Step, ...], kitchen: Kitchen, clock: Clock, now: float | None
) -> tuple[Problem, ...]:
    """All problems of a course and its ladder of steps, the gravest first. Without ``now`` the plan is under way."""
    found: list[Problem] = []
    first = ladder[0]
    missed = 0.0 if now is None else (clock.at(now) - first.at).total_seconds() / 60
    if missed > 0.5:
        when = f"{say_clock(first.at.isoformat())}, {duration(missed)} ago"
        sentence = f"Begins in the past: {lower(first.title)} should have been at {when}."
        found.append(Problem("past", sentence, missed))
    found += _too_young(course, clock)
    found += _asleep(ladder, clock)
    made = course.recipe
    misfit = fits(made.wish.vessel, made.wish.formula.shape, made.piece_g)
    if misfit:
        found.append(Problem("vessel", misfit, 0))
    if made.bake.short_k > TOO_COOL_K:
        wanted = made.bake.preheat_c + made.bake.short_k
        short = f"{{{made.bake.short_k:.0f}|dc}} too little"
        sentence = (
            f"The oven is too cool: this bake wants {c(wanted)}, the oven reaches {c(kitchen.oven.top_c)}, {short}."
        )
        found.append(Problem("oven", sentence, 0))
    found += _proof(course)
    return tuple(found)


def _too_young(course: Course, clock: Clock) -> list[Problem]:
    """A culture that was fed so lately that the first build from it would come before it is ripe."""
    starter = course.recipe.wish.starter
    own = [each for each in course.ripenings if each.kind in ("feed", "levain")]
    if starter is None or not own:
        return []
    at = clock.at(own[0].start)
    hours = starter.too_young_h(at)
    if hours < YOUNG_H:
        return []
    ripe = "not within what can be foretold" if starter.seed_from is None else f"from {_when(starter.seed_from)}"
    sentence = f"{starter.name} is too young by then: it is a good seed {ripe}, wanted at {_when(at)}."
    return [Problem("young_culture", sentence, 60 * hours)]


def _when(at: datetime) -> str:
    return say_clock(at.isoformat())


def _asleep(ladder: tuple[Step, ...], clock: Clock) -> list[Problem]:
    """Hands-on steps that fall in the baker's sleep, as one problem."""
    hit = []
    for step in ladder:
        if step.minutes:
            start = clock.hours(step.at)
            minutes = clock.asleep_min(start, start + max(step.minutes, 1) / 60)
            if minutes >= 1:
                hit.append((step, minutes))
    if not hit:
        return []
    names = ", ".join(f"{lower(step.title)} at {say_clock(step.at.isoformat())}" for step, _ in hit[:3])
    more = f" and {len(hit) - 3} more" if len(hit) > 3 else ""
    total = sum(minutes for _, minutes in hit)
    sentence = f"While you sleep: {names}{more}; {duration(total)} of work between bedtime and getting up."
    return [Problem("asleep", sentence, total)]


def _proof(course: Course) -> list[Problem]:
    """Whether the dough meets the oven inside its proof target, the last load included."""
    made, times = course.recipe, course.times
    loaded = times.load - times.proof_start
    share = course.likely_share(loaded)
    low, high = made.target.low, made.target.high
    is_wanted = f"{100 * share:.0f} % of its greatest volume, wanted {100 * low:.0f} to {100 * high:.0f} %."
    if share > high + NEAR_TARGET:
        return [Problem("over_proofed", f"Over-proofed by then: {is_wanted}", 0)]
    if share < low - NEAR_TARGET:
        return [Problem("under_proofed", f"Under-proofed by then: {is_wanted}", 0)]
    wait = (made.bake.all_loads_min - made.bake.minutes) / 60
    later = course.likely_share(loaded + wait)
    if wait and later > high + LAST_LOAD_BEYOND:
        waits = f"The last of {made.bake.loads} loads waits {duration(60 * wait)} and goes past its proof."
        return [Problem("last_load", f"{waits} Keep it in the fridge meanwhile.", 0)]
    return []
