"""The levains of a plan by the clock."""

from gentle_crust.core.course.solved import Solved
from gentle_crust.core.plan.shown import LevainBuild, dated


def levain_builds(solved: Solved) -> tuple[LevainBuild, ...]:
    """The levains of a course by the clock."""
    formula, clock = solved.asked.formula, solved.clock
    stages = solved.parts[0].path.batch.weighed.stages
    found = []
    for beside in solved.beside:
        each, filled = beside.ripening, beside.filled
        if each is None or filled is None or filled.row is None or beside.kind != "levain":
            continue
        build, one = each.build, each.preferment
        found.append(
            LevainBuild(
                flour=formula.flour_called(one.flour_kind),
                hydration_percent=one.hydration_percent,
                needed_g=stages[filled.row].g,
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
