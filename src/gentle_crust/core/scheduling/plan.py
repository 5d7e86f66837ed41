"""A bake-day plan: from a wish, a kitchen and the time of day to steps by the clock.

The plan is built backwards from the oven. Whatever ferments takes as long as its forecast says at the
temperatures of that hour; if the wish cannot be met, the plan is still drawn, and says what is wrong.
"""

from dataclasses import replace
from datetime import datetime, timedelta
from functools import lru_cache

import numpy as np

from gentle_crust.core.clock import Clock, Stand, zone_of
from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.uncertainty import ONE, Vigour, activities, band
from gentle_crust.core.leaven.feeds import feeds_first, ripenings_for
from gentle_crust.core.leaven.ripening import Ripening, preferment_h, quickest_h, yeasted
from gentle_crust.core.oven.equipment import Vessel
from gentle_crust.core.oven.profile import BakeProfile, profile
from gentle_crust.core.scheduling import ladder, problems, ribbon, weigh_list
from gentle_crust.core.scheduling.carry import carry
from gentle_crust.core.scheduling.costs import costs
from gentle_crust.core.scheduling.course import Recipe, folded_in_time, recipe, with_preferment
from gentle_crust.core.scheduling.follow import Following, follow, plan_times
from gentle_crust.core.scheduling.later import later_part
from gentle_crust.core.scheduling.levains import levain_builds
from gentle_crust.core.scheduling.mixing_water import water_for_mix
from gentle_crust.core.scheduling.result import Dues, Holds, Plan, Proof, Told
from gentle_crust.core.scheduling.solve import Times, cold_times, fridge_hours, room_times
from gentle_crust.core.scheduling.whole import Course
from gentle_crust.core.scheduling.wish import Kitchen, Wish, check_wish
from gentle_crust.core.water.taps import kettle_c

ENGINE = "4"
"""Version of the rules that a plan was reckoned with; raised whenever a plan's figures would change."""
MOST_TRIES = 3
LONGEST_AHEAD = timedelta(days=14)


def make_plan(wish: Wish, kitchen: Kitchen, now: datetime, following: Following | None = None) -> Plan:
    """Plan ``wish`` in ``kitchen`` as of ``now`` (an aware instant).

    With ``following``, a plan that is being baked: its dough was mixed when it says, and what was read of it moves
    whatever comes later. Raises CraftError, naming the field, for what cannot be reckoned at all; a wish that merely
    cannot be met comes back as a plan with ``problems``.
    """
    check_wish(wish, kitchen)
    if following is None and not timedelta(0) < wish.ready - now < LONGEST_AHEAD:
        raise CraftError("ready", "scheduling-wanted-out-of-span")
    told: Told | None = None
    dues: Dues | None = None
    if following is None:
        course, clock = plan_course(wish, kitchen, now)
    else:
        course, clock, told, dues = _followed(wish, kitchen, now, following)
    made = course.recipe
    out = course.times.load + made.bake.all_loads_min / 60
    cooling = _cooling_h(made)
    water = water_for_mix(course, kitchen, clock)
    steps = ladder.steps(course, kitchen, clock, water)
    return Plan(
        engine=ENGINE,
        ready=wish.ready if following is None else clock.at(out + cooling),
        out=clock.at(out),
        begins=steps[0].at,
        steps=steps,
        weigh=weigh_list.weigh_stages(course, clock, water, kitchen.scale_g),
        totals=weigh_list.totals_of(made),
        water=water,
        tap_c=kitchen.tap_c,
        kettle_c=kettle_c(kitchen.altitude_m),
        feel=weigh_list.feeling(course),
        by_feel=weigh_list.by_feel(wish.formula, made.weighed.flour_g),
        proof=_proof(course),
        bake=made.bake,
        ribbon=ribbon.draw(course, clock, clock.hours(now)),
        problems=problems.find(course, steps, kitchen, clock, water, clock.hours(now) if told is None else None),
        notes=ladder.notes(course, water),
        times=plan_times(course.times, clock),
        costs=costs(course, steps, clock),
        fold_plan=ladder.fold_plan(course),
        later=later_part(course, clock),
        told=told,
        levains=levain_builds(course, clock),
        starter=wish.starter,
        dues=dues,
        holds=Holds(made.holds_bulk, made.holds_shaped),
    )


def plan_course(wish: Wish, kitchen: Kitchen, now: datetime) -> tuple[Course, Clock]:
    """The course behind a plan, for whoever looks into it more closely."""
    check_wish(wish, kitchen)
    made, clock = recipe(wish, kitchen), clock_of(wish, kitchen)
    load = -_cooling_h(made) - made.bake.all_loads_min / 60
    made, times = _times(made, clock, load, clock.hours(now))
    made = folded_in_time(made, times.bulk_end - times.mix)
    factors = activities(wish.belief)
    ripenings = ripenings_for(made.wanted, clock, times.mix, clock.hours(now), factors)
    return carry(made, clock, times, ripenings, factors), clock


def _followed(wish: Wish, kitchen: Kitchen, now: datetime, following: Following) -> tuple[Course, Clock, Told, Dues]:
    """The course of a plan that is being baked, as what was done and read moves it."""
    made, clock = recipe(wish, kitchen), clock_of(wish, kitchen)
    if following.happened.flat:
        made = replace(made, bake=_flat(wish, kitchen))
    mix = clock.hours(following.times.mix)
    ripenings = _ripenings_once(made, clock, mix, clock.hours(now), wish.belief)
    made = folded_in_time(_with_ripe(made, clock, mix)[0], clock.hours(following.times.bulk_end) - mix)
    return follow(made, clock, following, ripenings)


@lru_cache(maxsize=16)
def _ripenings_once(made: Recipe, clock: Clock, mix: float, now: float, belief: Vigour) -> tuple[Ripening, ...]:
    """What ripens before a dough that is being baked: the same whatever happens to the dough, so looked for once."""
    return ripenings_for(made.wanted, clock, mix, now, activities(belief))


def _flat(wish: Wish, kitchen: Kitchen) -> BakeProfile:
    """The bake of a dough that becomes a flatbread on a tray."""
    tray = Vessel("flat", "tray", "Tray")
    return profile(tray, kitchen.oven, "flat_round", wish.scaling_weight_g, wish.pieces, 0.0, wish.proof == "cold")


def clock_of(wish: Wish, kitchen: Kitchen) -> Clock:
    """The kitchen's clock, from the time at which the bread is wanted, with where its dough is to stand till then."""
    stands = () if wish.stand_c is None else (Stand(wish.ready - LONGEST_AHEAD, wish.ready, wish.stand_c),)
    return Clock(wish.ready, zone_of(kitchen.zone), kitchen.nights, kitchen.room, stands)


def _cooling_h(made: Recipe) -> float:
    return made.bake.cool_min / 60 if made.wish.ready_means == "cut" else 0.0


def _times(made: Recipe, clock: Clock, load: float, now: float) -> tuple[Recipe, Times]:
    """Mixing to loading, and the recipe with its preferment as it will be when the dough is mixed."""
    made, ripen_h = _with_ripe(made, clock, load - 6.0)
    if made.wish.proof == "cold":
        return made, _best_cold(made, clock, load, now, ripen_h)
    return made, room_times(made, clock, load)


def _with_ripe(made: Recipe, clock: Clock, mix: float) -> tuple[Recipe, tuple[float, ...]]:
    """The recipe with its yeasted preferments as ripe as they will be about ``mix``, and how long each takes."""
    ripen_h: list[float] = []
    for preferment, mass in made.ripened:
        if preferment.kind != "levain":
            ripening = yeasted(clock, mix, mass, made.wish.formula, preferment, ONE)
            ripen_h.append(ripening.wanted - ripening.start)
            made = with_preferment(made, preferment, ripening.trace.at(ripen_h[-1]))
    return made, tuple(ripen_h)


def _ripen_h(made: Recipe, clock: Clock, mix: float) -> tuple[float, ...]:
    """How long each yeasted preferment takes that is to be ripe at ``mix``: longer through a cool night."""
    return tuple(
        preferment_h(clock, mix, mass, made.wish.formula, preferment)
        for preferment, mass in made.ripened
        if preferment.kind != "levain"
    )


def _cold_trouble(
    made: Recipe, clock: Clock, times: Times, before_mix_h: float, now: float, ripen_h: tuple[float, ...]
) -> float:
    """Minutes of sleep and of lateness that a cold course would cost; ``ripen_h``: how long its preferments take."""
    handling = (times.bulk_end, times.into_fridge + 1 / 60)
    mixing = (times.mix - made.wish.formula.autolyse_min / 60, times.mix + 0.25)
    folds = [
        (times.mix + fold, times.mix + fold + 1 / 12) for fold in made.fold_times_h if times.mix + fold < times.bulk_end
    ]
    builds = [(times.mix - hours, times.mix - hours + 1 / 12) for hours in ripen_h]
    asleep = sum(clock.asleep_min(start, end) for start, end in (handling, mixing, *folds, *builds))
    return asleep * 4 + max(now - (times.mix - before_mix_h), 0) * 60


def _before_mix_h(made: Recipe, clock: Clock, load: float, ripen_h: tuple[float, ...]) -> float:
    """About how long before mixing the first hand is needed: the quickest levain and feed, or the preferment."""
    formula = made.wish.formula
    feeds = 1 + feeds_first(made.wanted, clock, load - 22.0)
    lively = 1.0 if made.wish.starter is None else made.wish.starter.vigour.likely
    before = [formula.autolyse_min / 60, *ripen_h]
    for preferment, mass in made.ripened:
        if preferment.kind == "levain":
            before.append(feeds * quickest_h(clock, load - 17.0, mass, formula, preferment, lively))
    return max(before)


def _best_cold(made: Recipe, clock: Clock, load: float, now: float, ripen_h: tuple[float, ...]) -> Times:
    """The cold proof, of the lengths that bakers use, that costs no sleep and does not start in the past."""
    before = _before_mix_h(made, clock, load, ripen_h)
    best: tuple[float, Times] | None = None
    left = list(fridge_hours(made.wish.fridge_days))
    bulk_h = 5.0
    for _ in range(MOST_TRIES):

        def guess(hours: float, bulk_h: float = bulk_h) -> float:
            end = load - hours - made.handling_h
            return _cold_trouble(made, clock, Times(end - bulk_h, end, load - hours, load), before, now, ripen_h)

        guesses = [guess(hours) for hours in left]
        if best is not None and min(guesses) >= best[0]:
            break
        choice = left.pop(guesses.index(min(guesses)))
        times = cold_times(made, clock, load, choice, bulk_h)
        bulk_h = times.bulk_end - times.mix
        trouble = _cold_trouble(made, clock, times, before, now, _ripen_h(made, clock, times.mix))
        if best is None or trouble < best[0]:
            best = (trouble, times)
    if best is None:
        raise AssertionError("no cold proof was tried")
    return best[1]


def _proof(course: Course) -> Proof:
    made, times = course.recipe, course.times
    low, high = band(course.shares)

    def at(hours: float, values: Floats) -> float:
        return float(np.interp(hours, course.proof.hours, values))

    loaded = times.load - times.proof_start
    last = loaded + (made.bake.all_loads_min - made.bake.minutes) / 60
    return Proof(
        target_low=made.target.low,
        target_high=made.target.high,
        share=course.likely_share(loaded),
        share_low=at(loaded, low),
        share_high=at(loaded, high),
        last_load_share=course.likely_share(last),
        bulk_rise=course.bulk_rise,
        fridge_hours=times.load - times.into_fridge if made.wish.proof == "cold" else 0.0,
    )
