"""A dough at the bench: its steps with what became of each, what is next, and how it stands now."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from typing import Literal

from gentle_crust.core.bench.by_hand import begun_by
from gentle_crust.core.bench.edits import BEGINS_STAGE
from gentle_crust.core.bench.happened import EXTRA_FOLD, Deed, Happened, keys
from gentle_crust.core.bench.standing import Standing, standing
from gentle_crust.core.bench.under_way import Followed
from gentle_crust.core.cautions import Caution
from gentle_crust.core.course.method import BESIDE
from gentle_crust.core.messages import NOTHING, Message, joined, message
from gentle_crust.core.oven.profile import RECOVERY_MIN, BakeProfile
from gentle_crust.core.plan.shown import Plan, Step, TimeSpan

StepState = Literal["done", "skipped", "due", "coming"]
ROOM_ABOUT_C, FRIDGE_BELOW_C = 22.0, 10.0
MOVE_MIN = 1


@dataclass(frozen=True)
class LiveStep:
    """One step at the bench. ``at``: done at, or due at by the latest forecast; ``say`` is what would be called out."""

    key: str
    kind: str
    title: Message
    detail: Message
    say: Message
    at: datetime
    minutes: int
    span: TimeSpan | None
    cautions: tuple[Caution, ...]
    state: StepState
    part: str = ""


@dataclass(frozen=True)
class Live:
    """A dough that is being baked."""

    plan: Plan
    steps: tuple[LiveStep, ...]
    standing: Standing
    over: bool
    """Whether nothing is left to be done."""

    @property
    def next(self) -> LiveStep | None:
        """The earliest step that is still to be done."""
        left = [step for step in self.steps if step.state in ("due", "coming")]
        return min(left, key=lambda step: step.at, default=None)


def live(planned: Plan, followed: Followed, happened: Happened, now: datetime) -> Live:
    """``followed`` is the plan that was saved, as it goes on after all that ``happened``; both as of ``now``."""
    steps = _steps(planned, followed, happened, now)
    left = [step for step in steps if step.state in ("due", "coming")]
    begun = any(step.state == "done" for step in steps)
    return Live(followed.plan, steps, standing(followed.plan, happened, now), begun and not left)


AS_PLANNED = (*BESIDE, "old_dough", "autolyse", "mix")
"""Kinds of steps whose words are those of the plan that was saved: what was weighed for it stays."""


def _steps(planned: Plan, followed: Followed, happened: Happened, now: datetime) -> tuple[LiveStep, ...]:
    older = dict(zip(keys(planned.steps), planned.steps, strict=True))
    ahead = {step.key: step for step in followed.plan.steps}
    newer = {step.key: _as_due(step, ahead, now) for step in followed.due}
    dues = {
        **_before_mixing(older, happened), **_folds(older, followed, happened),
        **_baking(tuple(newer.values()), followed, happened),
    }  # fmt: skip
    shown = {key: step for key, step in older.items() if step.kind in (*BESIDE, "old_dough", "fold")}
    shown |= {key: step for key, step in newer.items() if step.kind != "fold" and step.stage != RESHAPE}
    shown |= {key: step for key, step in older.items() if key not in shown and happened.settled(key)}
    past = _past(followed, happened, shown)
    moved = begun_by(happened.edits, followed.where.method)
    found = []
    for key, step in shown.items():
        deed = happened.deed(key)
        if deed is None and step.stage in moved and step.kind in BEGINS_STAGE:
            deed = Deed(key, moved[step.stage].at)
        words = older[key] if step.kind in AS_PLANNED and key in older else step
        if deed is not None:
            found.append(_step(key, words, deed.at, "skipped" if deed.skipped else "done"))
            continue
        at = dues.get(key, step.at)
        if at is None or key in past:
            found.append(_step(key, words, at or step.at, "skipped"))
            continue
        overdue = at <= now
        span = ahead[key].span if key in ahead else words.span
        note = happened.note(key)
        said = replace(words, detail=message("said-before", text=note) if note else words.detail, span=span)
        found.append(_step(key, said, at, "due" if overdue else "coming"))
    found += _change_steps(followed, happened, now)
    for deed in happened.deeds:
        if deed.key.startswith(EXTRA_FOLD) and not deed.skipped:
            extra = message("live-extra-fold")
            found.append(LiveStep(deed.key, "fold", extra, NOTHING, NOTHING, deed.at, FOLD_MIN, None, (), "done"))
    return tuple(sorted(found, key=lambda step: (step.at, step.state != "done")))


def _as_due(step: Step, ahead: dict[str, Step], now: datetime) -> Step:
    """A step when it will be done; one that is to be done now, since when it has been due."""
    foreseen = ahead.get(step.key)
    return step if foreseen is None or foreseen.at <= now + timedelta(minutes=MOVE_MIN) else foreseen


RESHAPE = "shaped-again"
FOLD_MIN = 3
"""What a fold takes, min."""


def _before_mixing(older: dict[str, Step], happened: Happened) -> dict[str, datetime | None]:
    """What comes before the mixing is due when the plan said, unless it was put off."""
    return {
        key: _later(step.at, happened.until(key)) for key, step in older.items() if step.kind in (*BESIDE, "old_dough")
    }


def _folds(older: dict[str, Step], followed: Followed, happened: Happened) -> dict[str, datetime | None]:
    """When folds are due that are not settled; None of one that finds no room any more."""
    found: dict[str, datetime | None] = {}
    clock = followed.progress.due.clock
    for run in followed.progress.due.runs:
        own = [
            key for key, step in older.items() if step.kind == "fold" and followed.where.of_key[key] == run.filled.id
        ]
        if run.filled.kind == "fold" or not own:
            continue
        left = [key for key in own if not happened.settled(key)]
        done = sum(happened.done(key) is not None for key in own)
        done += len(happened.extra_folds) if run.filled.kind == "bulk" else 0
        times = [clock.at(at) for at in run.folds][done:]
        for key, at in zip(left, [*times, *([None] * len(left))], strict=False):
            found[key] = at
    return found


def _baking(steps: tuple[Step, ...], followed: Followed, happened: Happened) -> dict[str, datetime | None]:
    """When each load is due in, and out, one after the other, and when the last can be cut."""
    found: dict[str, datetime | None] = {}
    for bake in followed.where.bakes():
        own = [step for step in steps if step.stage == bake.id]
        found |= _loads(own, followed.plan.bake, happened)
        outs = [step for step in own if step.kind == "out"]
        if not outs:
            continue
        last = outs[-1]
        came_out = happened.done(last.key) is not None
        for step in steps:
            if step.kind == "cut" and step.part == last.part:
                at = step.at if came_out else (found[last.key] or last.at) + (step.at - last.at)
                found[step.key] = _later(at, happened.until(step.key))
    return found


def _loads(steps: list[Step], bake: BakeProfile, happened: Happened) -> dict[str, datetime | None]:
    """Steps of one part's loads: each is counted from when its load really went in."""
    found: dict[str, datetime | None] = {}
    follows: datetime | None = None
    for load in _by_load(steps):
        first = next((step for step in load if step.kind == "load"), None)
        if first is None:
            continue
        planned = first.at if follows is None else follows
        start = happened.done(first.key) or _later(planned, happened.until(first.key))
        for step in load:
            at = start + (step.at - first.at)
            if step.kind == "out":
                for core in happened.cores:
                    if core.at >= start and happened.done(first.key) is not None:
                        at = core.at + timedelta(minutes=bake.still_min(core.core_c))
            found[step.key] = start if step is first else _later(at, happened.until(step.key))
            if step.kind == "out":
                out = happened.done(step.key) or found[step.key] or at
                follows = out + timedelta(minutes=RECOVERY_MIN)
    return found


def _by_load(steps: list[Step]) -> Iterable[list[Step]]:
    """The steps of an oven load by load, each ending as it comes out."""
    load: list[Step] = []
    for step in steps:
        load.append(step)
        if step.kind == "out":
            yield load
            load = []


HEATS = ("preheat", "fire", "rake_out", "test_floor", "score")


def _past(followed: Followed, happened: Happened, shown: dict[str, Step]) -> set[str]:
    """Keys of steps that the dough is past, so that they will not be done any more."""
    statuses = followed.progress.statuses
    mixed = _is_over(statuses, followed, ("mix",))
    found = set()
    for key, step in shown.items():
        if step.kind in (*BESIDE, "old_dough", "autolyse"):
            if mixed:
                found.add(key)
        elif step.kind != "cut" and statuses.get(followed.where.of_key.get(key, step.stage)) == "done":
            found.add(key)
    for bake in followed.where.bakes():
        own = [step for step in followed.due if step.stage == bake.id]
        for load in _by_load(own):
            first = next((step for step in load if step.kind == "load"), None)
            gone_in = first is not None and happened.done(first.key) is not None
            came_out = happened.settled(load[-1].key)
            for step in load:
                heats = step.kind in HEATS or (step.kind == "steam_in" and first is not None and step.at < first.at)
                vented = step.kind == "uncover" and happened.settled(step.key.replace("uncover", "vent"))
                if came_out or vented or (gone_in and heats):
                    found.add(step.key)
    return found


def _is_over(statuses: Mapping[str, str], followed: Followed, kinds: tuple[str, ...]) -> bool:
    ids = [stage.id for _, path in followed.where.method.paths for stage in path if stage.kind in kinds]
    return any(statuses.get(id_) == "done" for id_ in ids)


@dataclass(frozen=True)
class _Move:
    """Something that a change of course asks of the hands."""

    key: str
    kind: str
    title: Message
    detail: Message
    at: datetime


def _moves(happened: Happened, heats: datetime) -> list[_Move]:
    """What changes of course ask: to put the dough elsewhere, and back, or to fold and shape it again.

    ``heats``: when the oven has to be lit; until then it may serve as a warm place.
    """
    found = []
    for number, stand in enumerate(happened.stands, 1):
        warm = round(stand.ambient_c, 1)
        if stand.ambient_c < FRIDGE_BELOW_C:
            code, detail = "cold", message("live-stands", warm=warm)
        elif stand.ambient_c > ROOM_ABOUT_C:
            code, detail = "warm", joined(message("live-stands", warm=warm), message("live-oven-free", at=heats))
        else:
            code, detail = "cool", message("live-stands", warm=warm)
        found.append(_Move(f"move-{number}", "move", message(f"live-move-{code}"), detail, stand.start))
        if stand.ambient_c < FRIDGE_BELOW_C and stand.end is not None:
            back = message("live-back")
            found.append(_Move(f"back-{number}", "back", back, message("live-back-how"), stand.end))
    if happened.reshaped is not None:
        how = message("live-reshape-how")
        found.append(_Move("reshape-1", "reshape", message("live-reshape"), how, happened.reshaped))
    return found


def _change_steps(followed: Followed, happened: Happened, now: datetime) -> list[LiveStep]:
    found = []
    plan = followed.plan
    heats = (plan.dues.load if plan.dues else now) - timedelta(minutes=plan.bake.preheat_min)
    loaded = any(deed.key == "load-1" and not deed.skipped for deed in happened.deeds)
    for move in _moves(happened, heats):
        deed = happened.deed(move.key)
        state: StepState
        if deed is not None:
            at, state = deed.at, "skipped" if deed.skipped else "done"
        else:
            at = move.at
            state = "skipped" if loaded else "due" if at <= now else "coming"
        step = Step(move.kind, at, MOVE_MIN, move.title, move.detail, None, ())
        found.append(_step(move.key, step, at, state))
    return found


def _step(key: str, step: Step, at: datetime, state: StepState) -> LiveStep:
    return LiveStep(
        key, step.kind, step.title, step.detail, spoken(key, step), at, step.minutes,
        step.span if state == "coming" else None, step.cautions, state, step.part,
    )  # fmt: skip


SPOKEN = (
    "feed", "levain", "preferment", "autolyse", "mix", "divide", "shape", "chill", "preheat", "vent", "uncover",
    "load", "steam_out", "out", "cut", "fold",
)  # fmt: skip


def spoken(key: str, step: Step) -> Message:
    """A short sentence as it would be called across a kitchen."""
    if step.kind == "fold":
        number, of = (step.title.values.get(name) for name in ("number", "of"))
        if isinstance(number, int) and isinstance(of, int):
            return message("live-say-fold-of", number=number, of=of)
    if step.kind in SPOKEN:
        return message(f"live-say-{step.kind}")
    return message("live-say", what=step.title)


def _later(at: datetime, until: datetime | None) -> datetime:
    return at if until is None else max(at, until)


def still_to_do(found: Live) -> tuple[LiveStep, ...]:
    """Steps with hands on them that are still to be done."""
    return tuple(step for step in found.steps if step.state in ("due", "coming") and step.minutes)


def shifted(step: LiveStep, now: datetime) -> LiveStep:
    """A step as it will really be done: not before now."""
    return step if step.at >= now else replace(step, at=now)
