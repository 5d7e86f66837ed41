"""What about a wish cannot be met, and by how much."""

from datetime import datetime

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.waters import HOTTEST_POUR_C
from gentle_crust.core.messages import message
from gentle_crust.core.oven.equipment import TOO_COOL_K, fits
from gentle_crust.core.scheduling.result import Problem, Step
from gentle_crust.core.scheduling.say import c, duration, lower
from gentle_crust.core.scheduling.say import clock as say_clock
from gentle_crust.core.scheduling.solve import least_rise
from gentle_crust.core.scheduling.whole import Course
from gentle_crust.core.scheduling.wish import Kitchen
from gentle_crust.core.water.plan import WaterAnswer

NEAR_TARGET = 0.015
"""A share of greatest volume this near its target counts as in it."""
A_SECOND_MIN = 0.02
LAST_LOAD_BEYOND = 0.05
WANTS_HOTTER_K = 1.0
"""A dough this much colder than wished, for want of water that may be poured, is said."""
NEARLY_RISEN = 0.8
"""A bulk stopped this near the least rise, as a share of it, will do."""
UNRIPE_SHARE = 0.25
"""What ripens so much later than it is wanted, beside its whole time, is not ripe then."""
YOUNG_H = 0.35
"""A culture may be this much younger than a good seed, h (practice)."""


def find(
    course: Course, ladder: tuple[Step, ...], kitchen: Kitchen, clock: Clock, water: WaterAnswer, now: float | None
) -> tuple[Problem, ...]:
    """All problems of a course and its ladder of steps, the gravest first. Without ``now`` the plan is under way."""
    found: list[Problem] = []
    first = ladder[0]
    missed = 0.0 if now is None else (clock.at(now) - first.at).total_seconds() / 60
    if missed > A_SECOND_MIN:
        when = f"{say_clock(first.at.isoformat())}, {duration(missed)} ago"
        sentence = f"Begins in the past: {lower(first.title)} should have been at {when}."
        found.append(Problem("past", sentence, missed))
    found += _unripe(course, kitchen)
    found += _never_rises(course, kitchen)
    found += _too_cold_to_mix(course, water)
    found += _too_young(course, clock)
    found += _asleep(ladder, clock)
    made = course.recipe
    misfit = fits(made.wish.vessel, made.wish.formula.shape, made.piece_g)
    if misfit:
        found.append(Problem("vessel", misfit, 0))
    if made.bake.short_k > TOO_COOL_K:
        wanted = made.bake.preheat_c + made.bake.short_k
        short, reaches = round(made.bake.short_k), kitchen.oven.top_c
        too_cool = message("problem-oven-too-cool", wanted=round(wanted), reaches=round(reaches), short=short)
        found.append(Problem("oven", too_cool, 0))
    found += _proof(course)
    return tuple(found)


def _where(course: Course, kitchen: Kitchen) -> str:
    """Where levain and dough stand, and how warm that is, for a sentence."""
    if course.recipe.wish.stand_c is not None:
        return f"at {c(course.recipe.wish.stand_c)}"
    return f"in this kitchen, {c(kitchen.room.day_c)} by day and {c(kitchen.room.night_c)} by night"


def _unripe(course: Course, kitchen: Kitchen) -> list[Problem]:
    """A feed, levain or preferment that is not ripe when it is wanted, however early it is begun."""
    for each in course.ripenings:
        ripe = each.ripe.likely
        if ripe is None or ripe > each.wanted + max(1.0, UNRIPE_SHARE * (each.wanted - each.start)):
            name = {"feed": "culture's feed", "levain": "levain"}.get(each.kind, each.kind)
            return [Problem("unripe", f"The {name} does not get ripe {_where(course, kitchen)}.", 0)]
    return []


def _never_rises(course: Course, kitchen: Kitchen) -> list[Problem]:
    """A dough that hardly ferments where it stands, however long it is given."""
    least = NEARLY_RISEN * least_rise(course.recipe)
    if course.bulk_rise >= least:
        return []
    rise, wanted = round(100 * course.bulk_rise), round(100 * least_rise(course.recipe))
    sentence = f"Bulk does not get far enough {_where(course, kitchen)}: +{rise} %, wanted at least +{wanted} %."
    return [Problem("no_rise", sentence, 0)]


def _too_cold_to_mix(course: Course, water: WaterAnswer) -> list[Problem]:
    """A dough that would need water too hot for its leaven to leave the bowl as warm as was wished."""
    wished = course.recipe.wish.dough_c
    if water.dough_c > wished - WANTS_HOTTER_K or water.water_c < HOTTEST_POUR_C - 1:
        return []
    sentence = (
        f"The flour is too cold for a dough of {c(wished)}: with water at {c(water.water_c)}, the hottest that does"
        f" its leaven no harm, it becomes {c(water.dough_c)}."
    )
    return [Problem("water_hot", sentence, 0)]


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
