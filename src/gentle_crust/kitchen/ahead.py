"""What lies ahead in the kitchen: levains that plans want, feeds that are due, and the next thing of all to do."""

from dataclasses import dataclass
from datetime import datetime, timedelta

from gentle_crust.contract.cultures import Due
from gentle_crust.contract.sentences import unkept
from gentle_crust.core.bench.live import LiveStep
from gentle_crust.core.culture.shared import Demand, SharedBuild, share_builds
from gentle_crust.core.messages import Message, message
from gentle_crust.core.plan.shown import LevainBuild, Step
from gentle_crust.kitchen.bench import BenchBook
from gentle_crust.kitchen.cultures import CultureBook
from gentle_crust.kitchen.plans import PlanBook, SavedPlan
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Plans

NEAR = timedelta(hours=1)
REMINDED = timedelta(hours=36)
"""A missed feed is reminded of for so long; after that it is told in its own room."""


@dataclass(frozen=True)
class Entry:
    """Something for the calendar: a feed of a culture, on its schedule or for a plan; any step of a plan or a dough.

    ``minutes`` of hands, 0 of what goes on by itself. Its ``id`` stays however the plan or the dough moves.
    """

    id: str
    title: Message
    detail: Message
    at: datetime
    culture_id: str
    minutes: int = 0
    plan_id: str = ""


class Ahead:
    """Looks over plans and cultures together."""

    def __init__(self, work: Work) -> None:
        self.work, self.now = work, work.now
        self.plans, self.cultures = PlanBook(work), CultureBook(work)
        self.bench = BenchBook(work)

    def builds(self) -> tuple[SharedBuild, ...]:
        """Levains of saved plans that are still to be built, one build where several can share it."""
        demands = [
            demand
            for saved in self._coming()
            for demand in _demands(saved)
            if demand.build_at >= self.now() and demand.culture_id
        ]
        return share_builds(tuple(demands))

    def _coming(self) -> tuple[SavedPlan, ...]:
        """Saved plans that are not over and can be read, the latest wanted first."""
        with self.work.read() as session:
            return self.plans.some(Plans(session).coming(self.now()))[::-1]

    def shared_with(self, plan_id: str) -> SharedBuild | None:
        """The build that a saved plan shares with others; None if it shares none."""
        for build in self.builds():
            if len(build.into) > 1 and any(each.plan_id == plan_id for each in build.into):
                return build
        return None

    def next(self) -> Due | None:
        """The next thing to do: a plan's step that is near, else a feed that was missed, else the earliest of all."""
        with self.work.read() as session:
            planned = Plans(session).next_of_all(self.now())
        steps = [] if planned is None else [Due(unkept(planned[1]), planned[2], "plan", planned[0])]
        steps += [
            Due(dough.live.next.title, dough.live.next.at, "bench", dough.id)
            for dough in self.bench.view().doughs
            if dough.live.next is not None
        ]
        feeds = [Due(_feed(each.name), each.at, "culture", each.id) for each in self.cultures.due()]
        now = self.now()
        near = [step for step in steps if step.at - now <= NEAR]
        missed = [feed for feed in feeds if now - REMINDED <= feed.at < now]
        coming = [*steps, *(feed for feed in feeds if feed.at >= now)]
        return min(near or missed or coming, key=lambda due: due.at, default=None)

    def calendar(self, culture_id: str | None = None) -> tuple[Entry, ...]:
        """What is ahead: feeds of one culture, on its schedule and for plans; of no culture, all feeds and every step.

        A plan that is being baked is told as it goes, not as it was planned.
        """
        found = [
            Entry(
                f"feed-{each.id}-{at:%Y%m%dT%H%M}",
                _feed(each.name),
                message("kitchen-standing-feed-then-cold" if each.then == "fridge" else "kitchen-standing-feed"),
                at,
                each.id,
            )
            for each in self.cultures.due(all_ahead=True)
            for at in each.ahead
        ]
        found += self._steps()
        wanted = [each for each in found if culture_id in (None, each.culture_id)]
        return tuple(sorted(wanted, key=lambda entry: entry.at))

    def of_plan(self, key: str) -> tuple[Entry, ...]:
        """What is ahead of one saved plan, or of its dough at the bench."""
        return tuple(sorted((each for each in self._steps() if each.plan_id == key), key=lambda entry: entry.at))

    def _steps(self) -> list[Entry]:
        """Every step that is still to be done, of doughs at the bench and of plans that are not begun."""
        coming = self._coming()
        cultures = {saved.id: saved.answer.asked.culture_id or "" for saved in coming}
        doughs = {dough.id: dough for dough in self.bench.view().doughs}
        found = [
            _entry(dough.id, dough.name, step, cultures.get(dough.id, ""))
            for dough in doughs.values()
            for step in dough.live.steps
            if step.state in ("due", "coming")
        ]
        found += [
            _entry(saved.id, saved.answer.formula.name, step, cultures[saved.id])
            for saved in coming
            if saved.id not in doughs
            for step in saved.answer.plan.steps
            if step.at >= self.now()
        ]
        return found


def _entry(key: str, name: str, step: Step | LiveStep, culture: str) -> Entry:
    """A step; it belongs to the ``culture`` of its dough if that is fed or taken from."""
    title = message("kitchen-step-of", step=step.title, formula=name)
    owner = culture if step.kind in ("feed", "levain") else ""
    return Entry(f"plan-{key}-{step.key or step.kind}", title, step.detail, step.at, owner, step.minutes, key)


def _feed(name: str) -> Message:
    return message("kitchen-feed-it", name=name)


def _demands(saved: SavedPlan) -> list[Demand]:
    return [_demand(saved, each) for each in saved.answer.plan.levains]


def _demand(saved: SavedPlan, build: LevainBuild) -> Demand:
    ripe = build.ripe.likely or build.wanted
    return Demand(
        plan_id=saved.id,
        name=saved.answer.formula.name,
        culture_id=saved.answer.asked.culture_id or "",
        flour=build.flour,
        hydration_percent=build.hydration_percent,
        needed_g=build.seed_g + build.flour_g + build.water_g,
        build_at=build.at,
        seed_g=build.seed_g,
        wanted=build.wanted,
        ripe=ripe,
        spent=build.spent.likely or ripe,
    )
