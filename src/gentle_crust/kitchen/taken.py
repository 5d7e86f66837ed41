"""What saved plans and doughs on the bench take of the kitchen, for whoever plans another."""

from collections.abc import Iterable
from datetime import timedelta

from gentle_crust.core.bench.clashes import taken_by
from gentle_crust.core.course.taken import Taken
from gentle_crust.core.plan.cold import Timed, cold_stays
from gentle_crust.core.plan.shown import Plan
from gentle_crust.kitchen.bench import BenchBook
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Plans


def taken_of(work: Work, but: str = "") -> tuple[Taken, ...]:
    """What all doughs and saved plans take of the kitchen from now on, without the one under the key ``but``."""
    now = work.now()
    found: list[Taken] = []
    doughs = [dough for dough in BenchBook(work).view().doughs if not dough.live.over and dough.id != but]
    for dough in doughs:
        takes = taken_by(dough.name, dough.live, now)
        found += [Taken("hands", dough.name, each.start, each.end) for each in takes.hands]
        found += [Taken("oven", dough.name, *each) for each in takes.ovens]
        found += _cold(dough.name, dough.live.plan, [step for step in dough.live.steps if step.state != "skipped"])
    under_way = {dough.id for dough in doughs}
    with work.read() as session:
        coming = PlanBook(work).some(Plans(session).coming(now))
    for saved in coming:
        if saved.id not in under_way and saved.id != but:
            found += _of_plan(saved.answer.formula.name, saved.answer.plan)
    return tuple(each for each in found if each.end > now)


def _of_plan(name: str, plan: Plan) -> list[Taken]:
    hands = [
        Taken("hands", name, step.at, step.at + timedelta(minutes=step.minutes)) for step in plan.steps if step.minutes
    ]
    ovens = []
    for part in dict.fromkeys(step.part for step in plan.steps if step.kind == "out"):
        own = [step for step in plan.steps if step.part == part]
        hot = [step.at for step in own if step.kind in ("preheat", "load")]
        if hot:
            ovens.append(Taken("oven", name, min(hot), max(step.at for step in own if step.kind == "out")))
    return [*hands, *_cold(name, plan, plan.steps), *ovens]


def _cold(name: str, plan: Plan, steps: Iterable[Timed]) -> list[Taken]:
    return [Taken("fridge", name, each.start, each.end, each.litres) for each in cold_stays(plan, steps)]
