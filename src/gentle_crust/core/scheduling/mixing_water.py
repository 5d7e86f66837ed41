"""The water of a plan's dough."""

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.waters import HOTTEST_POUR_C, ripe_c
from gentle_crust.core.formula.feel import mixing_for
from gentle_crust.core.scheduling.course import Recipe
from gentle_crust.core.scheduling.whole import Course
from gentle_crust.core.scheduling.wish import Kitchen
from gentle_crust.core.water.balance import dough_from
from gentle_crust.core.water.plan import WaterAnswer, friction_of, mix_of_formula, plan_water
from gentle_crust.core.water.taps import Taps


def mixing_of(made: Recipe) -> str:
    """The wish's way of mixing, or the one that the dough's feel asks for."""
    return made.wish.mixing or mixing_for(made.feel)


def water_for_mix(course: Course, kitchen: Kitchen, clock: Clock) -> WaterAnswer:
    """Water for the final dough, flour and salt being at the room's temperature when it is stirred.

    Milk goes in at the room's temperature; what fermented first as warm as it ripened. In a kitchen so cold that the
    wished dough would need water that harms its leaven, the dough is as warm as water of 45 C makes it.
    """
    made = course.recipe
    stirred = course.times.mix if course.autolyse is None else course.autolyse
    room = clock.kitchen_at(stirred)
    ripe = [each for each in course.ripenings if each.kind != "feed"]
    mass = sum(each.build.g for each in ripe)
    levain_c = room if not ripe else sum(each.build.g * ripe_c(each) for each in ripe) / mass
    mixing = mixing_of(made)
    friction = dict(kitchen.learnt_k).get(mixing, friction_of(mixing))
    mix = mix_of_formula(made.wish.formula, made.weighed, room, room, levain_c, friction)
    taps = Taps(kitchen.tap_c, kitchen.hot_tap_c, 0.0, kitchen.altitude_m)
    return plan_water(mix, min(made.wish.dough_c, dough_from(HOTTEST_POUR_C, mix)), taps)
