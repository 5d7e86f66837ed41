"""The levains of a plan by the clock."""

from gentle_crust.core.clock import Clock
from gentle_crust.core.scheduling.result import LevainBuild, dated
from gentle_crust.core.scheduling.whole import Course


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
