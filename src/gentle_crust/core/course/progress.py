"""A course under way: what was pressed is an edit of it, and the rest is carried on from where the dough stands.

Every stage is planned, due, running, done or skipped. Stages of one way to the oven follow one another without a gap:
a stage begins where the one before it ends, so that the times at which stages end tell all that happened.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from datetime import datetime, timedelta
from typing import Literal

from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.believed import Read
from gentle_crust.core.course.carry_on import Carried, Folds, carry_on
from gentle_crust.core.course.fill import Filled, fill
from gentle_crust.core.course.method import BESIDE, Method, Place, Stage, numbered
from gentle_crust.core.course.solved import Solved
from gentle_crust.core.errors import Conflict, CraftError, NotFound
from gentle_crust.core.fermentation.readings import Looked

PressKind = Literal["done", "begun", "skipped", "fold", "extra_fold", "no_fold", "moved", "held"]
Status = Literal["planned", "due", "running", "done", "skipped"]
AHEAD_MIN = 2.0
"""A press may be so much ahead of the clock: two clocks differ (practice)."""
LONG_AGO_H = 24 * 20
STIR_MIN = 5.0
"""Minutes of hands before a dough that is only stirred together rests (practice)."""


@dataclass(frozen=True)
class Press:
    """What a baker said of a stage, and when it was so.

    ``done``: it ended then. ``begun``: it began then, so what was before it ended. ``skipped``: it does not happen.
    ``fold``: the next of its folds was done; ``extra_fold``: one that was not planned; ``no_fold``: one is left out.
    ``moved``: its dough was put into ``place``. ``held``: it is to go on until ``until``.
    """

    kind: PressKind
    stage: str
    at: datetime
    place: Place | None = None
    until: datetime | None = None


@dataclass(frozen=True)
class Known:
    """What else is known of a course under way: readings and looks (which count from mixing), when its dough is begun
    if nothing of it was done yet, before when a bake cannot begin, and before when the next fold is not done."""

    readings: tuple[Read, ...] = ()
    looked: tuple[Looked, ...] = ()
    begins: datetime | None = None
    bakes_from: Mapping[str, datetime] = field(default_factory=dict)
    folds_from: Mapping[str, datetime] = field(default_factory=dict)
    as_planned: bool = False
    """Whether nobody says what is done: what was not pressed goes by the plan."""


@dataclass(frozen=True)
class Progress:
    """A course under way: how each stage stands, by its id, the course as it goes on, and as it was due."""

    statuses: dict[str, Status]
    solved: Solved
    due: Solved

    def of(self, status: Status) -> tuple[str, ...]:
        """Ids of the stages that stand so."""
        return tuple(id_ for id_, each in self.statuses.items() if each == status)


@dataclass(frozen=True)
class _Told:
    """A method as presses changed it, when its stages ended, which do not happen, until when others are held."""

    method: Method
    minutes: dict[str, float]
    ends: dict[str, datetime]
    skipped: frozenset[str]
    holds: dict[str, datetime]
    folds: dict[str, Folds]
    begins: dict[str, datetime]


def progress(asked: Asked, presses: Sequence[Press], now: datetime, known: Known | None = None) -> Progress:
    """The course after ``presses``, in the order in which they were made, as of ``now`` (an aware instant).

    Readings of the dough tell how lively its leaven is, how warm it left the bowl, and how warm the room is.

    Raises NotFound for a stage that there is not, Conflict for what contradicts what was pressed before, and CraftError
    for a time that cannot be; each names the stage.
    """
    more = Known() if known is None else known
    method = numbered(asked.method)
    asked = replace(asked, method=method)
    minutes = {each.id: each.work_min for path in fill(asked) for each in path.stages}
    told = _Told(method, minutes, {}, frozenset(), {}, {}, {})
    for press in presses:
        _in_time(press, now)
        told = _pressed(told, press)
    begun = {id_: at for id_, at in told.ends.items() if _stage(told.method, id_).kind not in BESIDE}
    # Until there is a dough the plan stands as it was made: what ripens was begun for its mix.
    begins = told.begins or _first_stages(told.method, more.begins if not begun else None)
    under_way = bool(begun or begins)
    changed = replace(asked, method=_without(told.method, told.skipped), now=now if under_way else asked.now)
    folds = {
        id_: replace(told.folds.get(id_, Folds()), not_before=more.folds_from.get(id_))
        for id_ in {*told.folds, *more.folds_from}
    }
    carried = carry_on(
        changed, Carried(begun, told.holds, more.readings, more.looked, begins, folds, more.bakes_from, more.as_planned)
    )
    return Progress(_statuses(told, carried.solved, now), carried.solved, carried.due)


def _first_stages(method: Method, at: datetime | None) -> dict[str, datetime]:
    """The first stages of a method's doughs, begun at a time."""
    firsts = [next((stage.id for stage in path if stage.kind not in BESIDE), "") for _, path in method.paths]
    return {} if at is None else dict.fromkeys(firsts, at)


def _in_time(press: Press, now: datetime) -> None:
    minutes = (press.at - now).total_seconds() / 60
    if minutes > AHEAD_MIN or minutes < -60 * LONG_AGO_H:
        raise CraftError("at", "course-press-not-now", stage=press.stage)


def _stage(method: Method, id_: str) -> Stage:
    found = method.stage(id_)
    if found is None:
        raise NotFound("stage", "course-no-such-stage", stage=id_)
    return found


def _paths_of(method: Method, id_: str) -> list[tuple[Stage, ...]]:
    return [path for _, path in method.paths if any(stage.id == id_ for stage in path)]


def _pressed(told: _Told, press: Press) -> _Told:
    stage = _stage(told.method, press.stage)
    if stage.id in told.ends or stage.id in told.skipped:
        raise Conflict("stage", "course-press-twice", stage=stage.id)
    if stage.kind not in BESIDE:
        _after_what_was(told, stage, None if press.kind == "held" else press.at)
    if press.kind == "done":
        return _done(told, stage, press.at)
    if press.kind == "begun":
        return _begun(told, stage, press.at)
    if press.kind == "skipped":
        if stage.kind in ("mix", "bake"):
            raise Conflict("stage", "course-press-needed", stage=stage.id)
        return replace(told, skipped=told.skipped | {stage.id})
    if stage.minutes is not None or stage.kind in (*BESIDE, "mix", "bake", "divide", "shape"):
        raise Conflict("stage", "course-press-not-waiting", stage=stage.id)
    if press.kind in ("fold", "extra_fold", "no_fold"):
        return _folded(told, stage, press)
    if press.kind == "held":
        if press.until is None or press.until <= press.at:
            raise CraftError("until", "course-press-not-later", stage=stage.id)
        return replace(told, holds={**told.holds, stage.id: press.until})
    return _moved(told, stage, press)


def _after_what_was(told: _Told, stage: Stage, at: datetime | None) -> None:
    """Nothing happens before what was already done on the same way, nor to a dough that is past it."""
    for path in _paths_of(told.method, stage.id):
        place = [each.id for each in path].index(stage.id)
        before = [told.ends[each.id] for each in path[:place] if each.id in told.ends and each.kind not in BESIDE]
        if before and at is not None and at < max(before):
            raise Conflict("at", "course-press-out-of-order", stage=stage.id)
        if any(each.id in told.ends for each in path[place + 1 :]):
            raise Conflict("stage", "course-press-past", stage=stage.id)


def _done(told: _Told, stage: Stage, at: datetime) -> _Told:
    """A stage that ended; what stood before it on its way and was not pressed ended where it began, at the latest."""
    ends = dict(told.ends)
    if stage.kind not in BESIDE:
        for path in _paths_of(told.method, stage.id):
            before = [each for each in path if each.kind not in BESIDE and each.id not in told.skipped]
            place = [each.id for each in before].index(stage.id)
            begun = at - timedelta(minutes=told.minutes[stage.id])
            _ended_before(told, before[:place], begun, ends)
    ends[stage.id] = at
    return replace(told, ends=ends)


def _ended_before(told: _Told, stages: list[Stage], at: datetime, ends: dict[str, datetime]) -> None:
    """Stages that were not pressed end at ``at``, hands before one another as long as they take; none before what is
    known."""
    known = [ends[each.id] for each in stages if each.id in ends]
    at = max([at, *known[-1:]])
    for each in reversed(stages):
        if each.id in ends:
            return
        ends[each.id] = at
        at = max([at - timedelta(minutes=told.minutes[each.id]), *known[-1:]])


def _begun(told: _Told, stage: Stage, at: datetime) -> _Told:
    """A stage that began: the one before it ended. The first of a dough: that was when it was begun."""
    if stage.kind in BESIDE:
        raise Conflict("stage", "course-press-not-waiting", stage=stage.id)
    ends, begins = dict(told.ends), dict(told.begins)
    for path in _paths_of(told.method, stage.id):
        before = [each for each in path if each.kind not in BESIDE and each.id not in told.skipped]
        place = [each.id for each in before].index(stage.id)
        _ended_before(told, before[:place], at, ends)
        if not place:
            begins[stage.id] = at
    return replace(told, ends=ends, begins=begins)


def _folded(told: _Told, stage: Stage, press: Press) -> _Told:
    """A stage that was folded, or of whose folds one is left out."""
    so_far = told.folds.get(stage.id, Folds())
    if press.kind == "fold":
        so_far = replace(so_far, done=(*so_far.done, press.at))
    elif press.kind == "extra_fold":
        so_far = replace(so_far, extra=(*so_far.extra, press.at))
    else:
        so_far = replace(so_far, left_out=so_far.left_out + 1)
    return replace(told, folds={**told.folds, stage.id: so_far})


def _moved(told: _Told, stage: Stage, press: Press) -> _Told:
    """A stage that waits, cut in two where its dough was put elsewhere: the first half is done."""
    second = replace(stage, id="", folds=() if stage.folds is not None else None, place=press.place or Place("room"))

    def cut(stages: tuple[Stage, ...]) -> tuple[Stage, ...]:
        found: list[Stage] = []
        for each in stages:
            found += [stage, second] if each.id == stage.id else [each]
        return tuple(found)

    method = numbered(told.method.changed(cut))
    minutes = {each.id: told.minutes.get(each.id, 0.0) for _, path in method.paths for each in path}
    return _done(replace(told, method=method, minutes=minutes), _stage(method, stage.id), press.at)


def _without(method: Method, skipped: frozenset[str]) -> Method:
    def kept(stages: tuple[Stage, ...]) -> tuple[Stage, ...]:
        return tuple(stage for stage in stages if stage.id not in skipped)

    return method.changed(kept)


def _statuses(told: _Told, solved: Solved, now: datetime) -> dict[str, Status]:
    """How each stage stands: the first of a way that is not done runs once the one before it has ended."""
    at = solved.clock.hours(now)
    found: dict[str, Status] = {}
    for id_ in told.skipped:
        found[id_] = "skipped"
    for each in solved.beside:
        if each.filled is not None:
            id_ = each.filled.id
            found[id_] = "done" if id_ in told.ends else _in_the_jar(each.start, at)
    for part in solved.parts:
        before_done = True
        for run in (*solved.trunk, *part.runs):
            id_ = run.filled.id
            if id_ in told.ends:
                found[id_] = "done"
            elif before_done and told.ends and run.start <= at + 1e-6:
                found[id_] = "due" if _is_over(run.filled, run.end, at) else "running"
                before_done = False
            else:
                found[id_] = "due" if run.start <= at and before_done else "planned"
                before_done = False
    return found


def _in_the_jar(start: float, at: float) -> Status:
    return "planned" if at < start else "due"


def _is_over(filled: Filled, end: float, at: float) -> bool:
    """Whether what is running should have ended: hands are due at once."""
    return end <= at + 1 / 60 or filled.stage.minutes is not None
