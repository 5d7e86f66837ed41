"""A dough at the bench: its steps with what became of each, what is next, and how it stands now."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from typing import Literal

from gentle_crust.core.cautions import Caution
from gentle_crust.core.clock import Clock
from gentle_crust.core.oven.profile import RECOVERY_MIN
from gentle_crust.core.scheduling.course import FOLDS_NEED_H
from gentle_crust.core.scheduling.follow import FOLD_MIN, fold_hours
from gentle_crust.core.scheduling.happened import EXTRA_FOLD, Happened, keys
from gentle_crust.core.scheduling.result import Plan, Step, TimeSpan
from gentle_crust.core.scheduling.say import c
from gentle_crust.core.scheduling.say import clock as say_clock
from gentle_crust.core.scheduling.standing import Standing, standing

StepState = Literal["done", "skipped", "due", "coming"]
ROOM_ABOUT_C, FRIDGE_BELOW_C = 22.0, 10.0
MOVE_MIN = 1


@dataclass(frozen=True)
class LiveStep:
    """One step at the bench. ``at``: done at, or due at by the latest forecast; ``say`` is what would be called out."""

    key: str
    kind: str
    title: str
    detail: str
    say: str
    at: datetime
    minutes: int
    span: TimeSpan | None
    cautions: tuple[Caution, ...]
    state: StepState


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


def live(saved: Plan, plan: Plan, happened: Happened, clock: Clock, now: datetime) -> Live:
    """``plan`` is ``saved`` as it goes on after all that ``happened``; both as of ``now``."""
    steps = _steps(saved, plan, happened, clock, now)
    over = any(deed.key == "cut-1" for deed in happened.deeds)
    return Live(plan, steps, standing(plan, happened, now), over)


def _steps(saved: Plan, plan: Plan, happened: Happened, clock: Clock, now: datetime) -> tuple[LiveStep, ...]:
    dues = _dues(saved, plan, happened, clock)
    found = []
    newer = dict(zip(keys(plan.steps), plan.steps, strict=True))
    older = dict(zip(keys(saved.steps), saved.steps, strict=True))
    shown = {**{key: step for key, step in older.items() if step.kind == "fold"},
             **{key: step for key, step in newer.items() if step.kind != "fold"}}  # fmt: skip
    begun = _latest_stage(happened)
    for key, step in shown.items():
        deed = next((deed for deed in happened.deeds if deed.key == key), None)
        if deed is not None:
            found.append(_step(key, step, deed.at, "skipped" if deed.skipped else "done"))
            continue
        at = dues(key, step)
        if at is None or _passed(step, begun, plan):
            found.append(_step(key, step, at or step.at, "skipped"))
        else:
            overdue = at <= now
            said = older.get(key, step) if overdue and step.kind in ("divide", "shape") else step
            said = replace(said, detail=happened.note(key) or said.detail)
            found.append(_step(key, said, at, "due" if overdue else "coming"))
    found += _change_steps(plan, happened, now, begun)
    for deed in happened.deeds:
        if deed.key.startswith(EXTRA_FOLD) and not deed.skipped:
            found.append(LiveStep(deed.key, "fold", "Extra fold", "", "", deed.at, FOLD_MIN, None, (), "done"))
    return tuple(sorted(found, key=lambda step: (step.at, step.state != "done")))


@dataclass(frozen=True)
class _Move:
    """Something that a change of course asks of the hands."""

    key: str
    kind: str
    title: str
    detail: str
    at: datetime


def _moves(happened: Happened, heats: datetime) -> list[_Move]:
    """What changes of course ask: to put the dough elsewhere, and back, or to fold and shape it again.

    ``heats``: when the oven has to be lit; until then it may serve as a warm place.
    """
    found = []
    for number, stand in enumerate(happened.stands, 1):
        if stand.ambient_c < FRIDGE_BELOW_C:
            title = "Whole dough into the fridge"
        else:
            title = "Put it somewhere warm" if stand.ambient_c > ROOM_ABOUT_C else "Put it somewhere cool"
        detail = f"About {c(stand.ambient_c)}, covered."
        if stand.ambient_c > ROOM_ABOUT_C:
            detail += f" If that is the oven, not lit: out of it by {say_clock(heats.isoformat())}, when it must heat."
        found.append(_Move(f"move-{number}", "move", title, detail, stand.start))
        if stand.ambient_c < FRIDGE_BELOW_C and stand.end is not None:
            found.append(_Move(f"back-{number}", "back", "Dough out of the fridge", "Back into the room.", stand.end))
    if happened.reshaped is not None:
        detail = "Wet hands, two or three folds, shape it without pressing. Then a short proof."
        found.append(_Move("reshape-1", "reshape", "Fold gently, shape again", detail, happened.reshaped))
    return found


def _change_steps(plan: Plan, happened: Happened, now: datetime, begun: int) -> list[LiveStep]:
    found = []
    heats = (plan.dues.load if plan.dues else now) - timedelta(minutes=plan.bake.preheat_min)
    for move in _moves(happened, heats):
        deed = next((deed for deed in happened.deeds if deed.key == move.key), None)
        if deed is not None:
            at, state = deed.at, "skipped" if deed.skipped else "done"
        else:
            at = move.at
            state = "skipped" if begun >= ORDER.index("load") else "due" if at <= now else "coming"
        step = Step(move.kind, at, MOVE_MIN, move.title, move.detail, None, ())
        found.append(_step(move.key, step, at, state))  # type: ignore[arg-type]
    return found


ORDER = ("soak", "scald", "old_dough", "feed", "levain", "preferment", "autolyse", "mix", "fold", "divide", "shape",
         "chill", "load", "steam_in", "vent", "steam_out", "out", "cut")  # fmt: skip
"""Kinds of steps in the order in which they come; a later one done leaves the earlier ones behind."""
MILESTONES = ("mix", "divide", "shape", "load", "out", "cut")


def _latest_stage(happened: Happened) -> int:
    """How far the dough has come: the place of the latest milestone that was done."""
    done = [ORDER.index(kind) for kind in MILESTONES if happened.done(f"{kind}-1") is not None]
    return max(done, default=-1)


def _passed(step: Step, begun: int, plan: Plan) -> bool:
    """Whether the dough is past this step, so that it will not be done any more."""
    heats = step.kind == "steam_in" and plan.times is not None and step.at < plan.times.load
    if step.kind == "preheat" or heats:
        return begun >= ORDER.index("load")
    if step.kind in ("steam_in", "steam_out"):
        return begun >= ORDER.index("out")
    if step.kind in ("load", "vent", "out", "cut"):
        return begun >= ORDER.index("cut") and step.kind != "cut"
    return ORDER.index(step.kind) < begun


def _step(key: str, step: Step, at: datetime, state: StepState) -> LiveStep:
    return LiveStep(
        key, step.kind, step.title, step.detail, spoken(step), at, step.minutes,
        step.span if state == "coming" else None, step.cautions, state,
    )  # fmt: skip


SPOKEN = {
    "feed": "Feed the culture.",
    "levain": "Build the levain.",
    "preferment": "Mix the preferment.",
    "autolyse": "Stir flour and water, then let them rest.",
    "mix": "Mix the dough.",
    "divide": "Divide. Look whether it is ready first.",
    "shape": "Shape, seam closed.",
    "chill": "Into the fridge.",
    "preheat": "Oven on.",
    "vent": "Steam out. Stand aside.",
    "out": "Look whether it is baked. Gloves on.",
    "cut": "Cool enough to cut.",
}
_NUMBERS = ("no", "one", "two", "three", "four", "five", "six", "seven", "eight")


def spoken(step: Step) -> str:
    """A short sentence as it would be called across a kitchen."""
    if step.kind == "fold":
        words = step.title.split()
        if len(words) == 4 and all(word.isdigit() and int(word) < len(_NUMBERS) for word in words[1::2]):
            return f"Fold {_NUMBERS[int(words[1])]} of {_NUMBERS[int(words[3])]}, wet hands."
        return "Fold, wet hands."
    if step.kind in ("load", "steam_out"):
        return f"{step.title.split(' 1 of')[0]}. Gloves on."
    if step.kind == "vent" and step.title.startswith("Lid"):
        return "Lid off, away from you. Gloves on."
    return SPOKEN.get(step.kind, f"{step.title}.")


def _dues(saved: Plan, plan: Plan, happened: Happened, clock: Clock) -> Callable[[str, Step], datetime | None]:
    """When each step that is still to be done is due; None for one that will not be done any more."""
    times, dues, planned = plan.times, plan.dues, saved.times
    if times is None or dues is None or planned is None:
        raise ValueError("a plan that is being baked has its times")
    folds = [step for step in saved.steps if step.kind == "fold"]
    offsets = tuple((step.at - planned.mix) / timedelta(hours=1) for step in folds)
    mix = clock.hours(times.mix)
    fold_at = fold_hours(offsets, mix, clock, happened)
    before_mix = times.mix - dues.mix
    loads = _bake_dues(plan, happened, dues.load)

    def due(key: str, step: Step) -> datetime | None:
        number = int(key.rsplit("-", 1)[1])
        if step.kind == "fold":
            hours = fold_at.get(number)
            at = None if hours is None else clock.at(mix + hours)
            return at if at is not None and at < times.bulk_end - timedelta(hours=FOLDS_NEED_H) else None
        if step.kind in ("feed", "levain", "preferment", "soak", "scald", "old_dough"):
            return _later(_first_due(saved, key, step), happened.until(key))
        if step.kind in ("autolyse", "mix"):
            return _later(step.at - before_mix, happened.until(key))
        if step.kind in loads and key in loads[step.kind]:
            return loads[step.kind][key]
        if step.kind == "divide" or (step.kind == "shape" and "divide" not in {each.kind for each in plan.steps}):
            return dues.bulk_end
        if step.kind == "shape":
            return dues.shaped - timedelta(minutes=step.minutes)
        if step.kind == "chill":
            return dues.chill
        if step.kind == "preheat":
            return _later(dues.load - timedelta(minutes=plan.bake.preheat_min), happened.until(key))
        return step.at

    return due


def _later(at: datetime, until: datetime | None) -> datetime:
    return at if until is None else max(at, until)


def _first_due(saved: Plan, key: str, step: Step) -> datetime:
    """What comes before the mixing is due when the plan said."""
    for other, old in zip(keys(saved.steps), saved.steps, strict=True):
        if other == key:
            return old.at
    return step.at


def _bake_dues(plan: Plan, happened: Happened, load: datetime) -> dict[str, dict[str, datetime]]:
    """When each load is due in, vented and out, one after the other, and when the last can be cut."""
    found: dict[str, dict[str, datetime]] = {
        kind: {} for kind in ("load", "steam_in", "steam_out", "vent", "out", "cut")
    }
    steaming = timedelta(minutes=plan.bake.touch_min)
    whole = timedelta(minutes=plan.bake.minutes)
    for number in range(1, plan.bake.loads + 1):
        key = f"load-{number}"
        found["load"][key] = _later(load, happened.until(key))
        start = happened.done(key) or found["load"][key]
        for each in plan.bake.steaming(number):
            of_kind = found[f"steam_{each.way}"]
            steam_key = f"steam_{each.way}-{len(of_kind) + 1}"
            of_kind[steam_key] = _later(start + timedelta(minutes=each.minute), happened.until(steam_key))
        found["vent"][f"vent-{number}"] = _later(start + steaming, happened.until(f"vent-{number}"))
        baked = start + whole
        for core in happened.cores:
            if core.at >= start and happened.done(key) is not None:
                baked = core.at + timedelta(minutes=plan.bake.still_min(core.core_c))
        found["out"][f"out-{number}"] = _later(baked, happened.until(f"out-{number}"))
        out = happened.done(f"out-{number}") or found["out"][f"out-{number}"]
        load = out + timedelta(minutes=RECOVERY_MIN)
        found["cut"]["cut-1"] = _later(out + timedelta(minutes=plan.bake.cool_min), happened.until("cut-1"))
    return found


def still_to_do(found: Live) -> tuple[LiveStep, ...]:
    """Steps with hands on them that are still to be done."""
    return tuple(step for step in found.steps if step.state in ("due", "coming") and step.minutes)


def shifted(step: LiveStep, now: datetime) -> LiveStep:
    """A step as it will really be done: not before now."""
    return step if step.at >= now else replace(step, at=now)
