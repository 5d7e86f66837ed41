"""A saved plan that is being baked: what was done, changed and read of its dough moves what comes later."""

from dataclasses import dataclass, field, replace
from datetime import datetime, timedelta

from gentle_crust.core.bench.by_hand import by_hand
from gentle_crust.core.bench.edits import Places, edited, keyed, places, presses_of
from gentle_crust.core.bench.happened import Deed, Happened, keys
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.believed import Read
from gentle_crust.core.course.fill import fill
from gentle_crust.core.course.method import BESIDE, numbered
from gentle_crust.core.course.plan import CoursePlan
from gentle_crust.core.course.problems import find
from gentle_crust.core.course.progress import Known, Progress, progress
from gentle_crust.core.course.solved import Solved
from gentle_crust.core.course.steps import Step as CourseStep
from gentle_crust.core.course.steps import steps
from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.readings import Looked, said_of
from gentle_crust.core.messages import NOTHING
from gentle_crust.core.plan.milestones import milestones
from gentle_crust.core.plan.ribbon import DRAWN_OF_DOUGH
from gentle_crust.core.plan.shown import Dues, Plan, RibbonPart, Step, Told
from gentle_crust.core.plan.steps_shown import steps_shown
from gentle_crust.core.plan.tell import Wanted, plan_times, tell

BESIDE_MIN = timedelta(minutes=5)
"""What a feed or a build takes: it is pressed done when it is over."""
OF_A_PLAN_ONLY = ("past", "unripe", "young_culture", "asleep", "hands_taken", "oven_taken", "late", "early")
"""Problems that are no news of a dough that is under way."""
BUILDS = ("feed", "levain", "preferment")
"""Kinds of steps that begin what ripens before the dough."""


@dataclass(frozen=True)
class Following:
    """What was read and seen of a dough, and what was done. Looks count from mixing.

    ``now``: what is still to be done is done from then on; None while only readings are looked at.
    """

    readings: tuple[Read, ...] = ()
    looked: tuple[Looked, ...] = ()
    happened: Happened = field(default_factory=Happened)
    now: datetime | None = None


@dataclass(frozen=True)
class Followed:
    """A plan as what was done moves it; its steps as they are due, whatever the time is; and how its stages stand."""

    plan: Plan
    due: tuple[Step, ...]
    progress: Progress
    where: Places


def follow(planned: Plan, asked: Asked, following: Following) -> Followed:
    """A plan that was saved, as it goes on. ``asked`` is its question, ``planned`` what was shown and kept of it."""
    if planned.times is None:
        raise CraftError("times", "scheduling-no-bulk")
    happened = _as_planned(following, planned)
    changed = by_hand(replace(asked, method=numbered(asked.method)), happened.edits)
    changed = edited(changed, happened, planned)
    changed = replace(changed, method=numbered(changed.method))
    where = places(changed.method, planned)
    minutes = {each.id: each.work_min for path in fill(changed) for each in path.stages}
    told = [*(deed.at for deed in happened.deeds), *(read.at for read in following.readings)]
    now = following.now or max([asked.now, *told])
    pressed = presses_of(happened, where, minutes, now)
    begins = _begins(planned, happened)
    late = max(now - begins, timedelta(0)) if following.now and not _begun(happened) else timedelta(0)
    known = Known(
        following.readings, following.looked, begins + late, _bakes_from(planned, happened, where, following.now),
        _folds_from(happened, where),
        following.now is None,
    )  # fmt: skip
    found = progress(changed, pressed, now, known)
    plan = _told(planned, found, happened, following)
    plan = replace(plan, steps=keyed(plan.steps, where))
    parts = (*_builds(planned, happened), *plan.ribbon.parts)
    highest = max((point.rise for part in parts for point in part.points), default=0.0)
    plan = replace(plan, ribbon=replace(plan.ribbon, parts=parts, greatest_rise=highest))
    return Followed(plan, keyed(_due_steps(planned, found, late), where), found, where)


def _as_planned(following: Following, planned: Plan) -> Happened:
    """What was done; of a dough that was only read, that it was mixed as planned."""
    happened = following.happened
    if happened.deeds or not (following.readings or following.looked):
        return happened
    mix = next(step for step in planned.steps if step.kind == "mix")
    return replace(happened, deeds=(Deed("mix-1", mix.at + timedelta(minutes=mix.minutes)),))


def _begun(happened: Happened) -> bool:
    """Whether anything of the dough itself was done."""
    return any(deed.key.split("-")[0] not in (*BESIDE, "old_dough", "preheat") for deed in happened.deeds)


def _begins(planned: Plan, happened: Happened) -> datetime:
    """When the dough is, or was, to be begun: later than planned if what ripens for it was begun later."""
    named = dict(zip(keys(planned.steps), planned.steps, strict=True))
    first = min(step.at for step in planned.steps if step.kind in ("autolyse", "mix"))
    if _begun(happened):
        return first
    late, begins = timedelta(0), first
    for key, step in named.items():
        if step.kind in BUILDS:
            start = step.at + late if step.kind == "levain" else step.at
            late = max(late, _started(happened, key, start) - step.at)
        if step.kind in ("autolyse", "mix") and step.at == first:
            begins = max([first + late, *(until for until in (happened.until(key),) if until is not None)])
    return begins


def _started(happened: Happened, key: str, planned: datetime) -> datetime:
    """When a build was begun, or is to be."""
    done, until = happened.done(key), happened.until(key)
    if done is not None:
        return done - BESIDE_MIN
    return planned if until is None else max(planned, until)


def _bakes_from(planned: Plan, happened: Happened, where: Places, now: datetime | None) -> dict[str, datetime]:
    """Before when nothing can be loaded, as the oven is not hot yet."""
    if now is None or planned.bake.cold_start:
        return {}
    found = {}
    heats = timedelta(minutes=planned.bake.preheat_min)
    for step_key, id_ in where.of_key.items():
        if step_key.startswith("preheat-") and not happened.skipped(step_key):
            found[id_] = (happened.done(step_key) or now) + heats
    return found


def _folds_from(happened: Happened, where: Places) -> dict[str, datetime]:
    """Before when the next fold is not due, as it was put off."""
    found: dict[str, datetime] = {}
    for held in happened.held:
        stage = where.stage(held.key)
        if held.key.startswith("fold-") and stage is not None and not happened.settled(held.key):
            found[stage.id] = max(held.until, found.get(stage.id, held.until))
    return found


def _builds(planned: Plan, happened: Happened) -> tuple[RibbonPart, ...]:
    """What ripens before the dough, drawn where it was really begun."""
    starts = {}
    for key, step in zip(keys(planned.steps), planned.steps, strict=True):
        if step.kind in BUILDS:
            starts[step.at] = _started(happened, key, step.at) - step.at
    found = []
    for part in planned.ribbon.parts:
        if part.kind not in DRAWN_OF_DOUGH:
            begins = part.points[0].at
            shift = next((by for at, by in starts.items() if abs(at - begins) < timedelta(minutes=2)), timedelta(0))
            found.append(replace(part, points=tuple(replace(p, at=p.at + shift) for p in part.points)))
    return tuple(found)


def _told(planned: Plan, found: Progress, happened: Happened, following: Following) -> Plan:
    """The plan as it goes on: what was weighed and built stays as it was."""
    solved = found.due if following.now is None else found.solved
    made = _planned_course(solved, planned)
    belief = solved.belief
    said = said_of(belief) if any(r.kind != "dough_c" for r in following.readings) or following.looked else NOTHING
    times, due = milestones(solved), milestones(found.due)
    at = found.due.clock.at
    dues = Dues(at(due.mix), at(due.bulk_end), at(due.proof_start), at(due.chill), at(due.load))
    plan = tell(made, Wanted(None), Told(belief, said, solved.doubts), dues)
    return replace(
        planned,
        ready=plan.out + (planned.ready - planned.out if planned.ready > planned.out else timedelta(0)),
        out=plan.out,
        steps=plan.steps,
        proof=replace(plan.proof, bulk_rise=planned.proof.bulk_rise),
        bake=plan.bake
        if happened.flat or any(each.code == "vessel" for each in happened.edits)
        else replace(plan.bake, steam=planned.bake.steam),
        ribbon=plan.ribbon,
        problems=plan.problems,
        times=plan_times(solved, times),
        told=plan.told,
        dues=dues,
        holds=plan.holds,
        outs=plan.outs,
    )


def _planned_course(solved: Solved, planned: Plan) -> CoursePlan:
    bare = replace(solved, beside=())
    own: tuple[CourseStep, ...] = steps(bare, planned.water)
    problems = tuple(each for each in find(bare, own, planned.water) if each.code not in OF_A_PLAN_ONLY)
    return CoursePlan(bare, own, planned.water, problems)


def _due_steps(planned: Plan, found: Progress, late: timedelta) -> tuple[Step, ...]:
    """Steps of the dough as they are due; until it is begun, as they were before it grew late."""
    bare = replace(found.due, beside=())
    times = milestones(bare)
    shown = steps_shown(bare, steps(bare, planned.water), times, None, None)
    if not late:
        return shown
    return tuple(replace(step, at=step.at - late) if step.kind in ("autolyse", "mix") else step for step in shown)
