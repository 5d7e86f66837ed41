"""The water of a course: for its dough, for each build before it, and for yeast that a scale cannot weigh."""

from math import ceil, floor
from typing import TYPE_CHECKING

from gentle_crust.core.clock import Clock
from gentle_crust.core.formula.scaling import weigh
from gentle_crust.core.leaven.ripening import START_C, Ripening
from gentle_crust.core.messages import NOTHING, Message, message
from gentle_crust.core.water.balance import FLOUR, Mix, Part, dough_from, levain_heat, water_for
from gentle_crust.core.water.mixing import Mixed, Work, friction_of
from gentle_crust.core.water.plan import WaterAnswer, mix_of_formula, plan_water
from gentle_crust.core.water.taps import Taps

if TYPE_CHECKING:
    from gentle_crust.core.course.fill import Filled
    from gentle_crust.core.course.solved import Solved

HOTTEST_POUR_C = 45.0
"""No plan pours hotter water on flour and leaven: a dough that would need it becomes as warm as this makes it."""
STIRRED_K = 0.5
"""What stirring warms a build (practice)."""
COLDEST_BUILD_C, HOTTEST_BUILD_C = 5.0, 40.0
OF_WATER, LEAST_WATER = 100, 10
"""Parts of water to one of yeast in which it is stirred to be measured: at best, and at the least (practice)."""


def water_of(solved: "Solved") -> WaterAnswer:
    """Water for the dough: flour and salt at the room's warmth when it is stirred, what ripened as warm as it is."""
    asked, kitchen = solved.asked, solved.asked.kitchen
    stirred = min(run.start for run in solved.runs if run.filled.kind in ("autolyse", "mix"))
    learnt = dict(kitchen.learnt_k)
    stages = [run.filled for run in solved.runs if run.filled.kind in ("mix", "knead")]
    works = [_work(each, learnt) for each in stages]
    work = max(works, key=lambda each: each.amount * (each.usual_k or friction_of(each.mixing)))
    room = solved.clock.kitchen_at(stirred)
    ripe = [each.ripening for each in solved.beside if each.ripening is not None and each.kind != "feed"]
    mass = sum(each.build.g for each in ripe)
    levain_c = room if not mass else sum(each.build.g * ripe_c(each) for each in ripe) / mass
    weighed = weigh(asked.formula, asked.pieces, asked.scaling_weight_g, asked.stays_behind)
    mix = mix_of_formula(asked.formula, weighed, room, room, levain_c, work)
    taps = Taps(kitchen.tap_c, kitchen.hot_tap_c, 0.0, kitchen.altitude_m)
    return plan_water(mix, min(asked.dough_c, dough_from(HOTTEST_POUR_C, mix)), taps)


def _work(filled: "Filled", learnt_k: dict[str, float]) -> Work:
    """A stage of mixing or kneading as it warms the dough."""
    by = filled.stage.by or "folds"
    return Work(by, None if filled.stage.minutes is None else filled.work_min, usual_k=learnt_k.get(by))


def ripe_c(ripening: Ripening) -> float:
    """How warm what ripened is when it is wanted, C."""
    return float(ripening.trace.at(ripening.wanted - ripening.start).nodes_c.mean())


def build_water_c(ripening: Ripening, clock: Clock) -> float:
    """Water that brings a build to its starting temperature, seed and flour being at the room's."""
    room, build = clock.kitchen_at(ripening.start), ripening.build
    seed = Part(build.seed_g, levain_heat(ripening.preferment.hydration_percent / 100), room)
    parts = (Part(build.flour_g, FLOUR, room), seed)
    mix = Mix(parts, build.flour_g, build.water_g, room, room, room, "levain", Mixed(STIRRED_K))
    return min(max(water_for(START_C, mix), COLDEST_BUILD_C), HOTTEST_BUILD_C)


def diluted(yeast_g: float, water_g: float, scale_g: float) -> Message:
    """How to weigh what the scale cannot: whole steps of it stirred into some of the water, and part of that used.

    A hundred of water to one of yeast, or as much as there is; of the mixture, never more than there is. Nothing if
    the scale does.
    """
    if yeast_g <= 0 or yeast_g >= 2 * scale_g:
        return NOTHING
    step = max(1.0, scale_g)
    weighed = step * ceil(yeast_g / step)
    water = min(OF_WATER * weighed, floor(water_g / 10) * 10)
    if water < LEAST_WATER * weighed:
        return NOTHING
    return message("step-diluted", weighed=weighed, water=water, part=round(water * yeast_g / weighed, 1))
