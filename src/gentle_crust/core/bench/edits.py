"""What was pressed at the bench as edits of a course: its method as it was changed, and what became of its stages."""

from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from gentle_crust.core.bench.by_hand import presses_of_edits
from gentle_crust.core.bench.edit import hand_key, is_by_hand, stage_of_key
from gentle_crust.core.bench.happened import Deed, Happened, keys
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.method import BESIDE, WAITING, Baking, HeatStage, Method, Place, Stage, Until, is_cold
from gentle_crust.core.course.progress import Press
from gentle_crust.core.oven.equipment import Vessel
from gentle_crust.core.plan.shown import Plan, Step
from gentle_crust.core.plan.steps_shown import PARTS_APART

TURNED_COLD, RESHAPED, AGAIN = "turned-cold", "shaped-again", "proofed-again"
"""Ids of stages that a change of course puts in."""
SHORT_AGAIN = 0.9
"""A dough that was shaped again is tired: it is proofed to this part of its target (practice)."""
FLAT_MIN, FLAT_C = 18.0, 230.0
"""The bake of a dough that becomes a flatbread on a tray (practice)."""
STIR_MIN = timedelta(minutes=5)
FRIDGE = Place("fridge")
LONGEST_COLD_MIN = 7 * 24 * 60.0
BEGINS_STAGE = ("autolyse", "chill", "out_of_fridge", "move")


def edited(asked: Asked, happened: Happened, planned: Plan) -> Asked:
    """The course as its baker changed it on the way: put elsewhere, turned cold, shaped again, baked flat."""
    method = asked.method
    if happened.cold_from is not None:
        method = _before_oven(method, (Stage("proof", TURNED_COLD, place=FRIDGE, until=_span(6.0, LONGEST_COLD_MIN)),))
    if happened.reshaped is not None:
        aim = SHORT_AGAIN * (planned.proof.target_low + planned.proof.target_high) / 2
        again = Stage("proof", AGAIN, place=Place("room"), until=Until("share", round(aim, 3)))
        method = _before_oven(method, (Stage("knock_back", RESHAPED, minutes=(1.0, 1.0)), again))
    if happened.flat:
        method = _baked_flat(method)
    return replace(asked, method=method, stands=(*asked.stands, *happened.stands), style="")


def _span(low: float, high: float) -> Until:
    return Until("span", minutes=(low, high))


def _before_oven(method: Method, more: tuple[Stage, ...]) -> Method:
    """Stages put in after the last one of waiting before each bake; a way that ends in the cold is left as it is."""
    turned = any(stage.id == TURNED_COLD for stage in more)

    def with_more(stages: tuple[Stage, ...]) -> tuple[Stage, ...]:
        bake = next((i for i, stage in enumerate(stages) if stage.kind == "bake"), None)
        if bake is None:
            return stages
        waits = [i for i in range(bake) if stages[i].kind in WAITING]
        if turned and waits and is_cold(stages[waits[-1]]):
            return stages
        at = waits[-1] + 1 if waits and _after_shaping(stages, waits[-1]) else bake
        own = more if len(method.parts) < 2 else tuple(replace(stage, id="") for stage in more)
        return (*stages[:at], *own, *stages[at:])

    return method.changed(with_more)


def _after_shaping(stages: tuple[Stage, ...], place: int) -> bool:
    """Whether a stage comes after the shaping, or dividing, of its way; one of a part always does."""
    at_bench = [i for i, stage in enumerate(stages) if stage.kind in ("shape", "divide", "preshape")]
    return not at_bench or place > at_bench[-1]


def _baked_flat(method: Method) -> Method:
    tray = Baking(
        vessel=Vessel("flat", "tray", ""), heated="oven_only", steam=(), stages=(HeatStage(FLAT_MIN, FLAT_C),)
    )

    def flat(stages: tuple[Stage, ...]) -> tuple[Stage, ...]:
        return tuple(replace(stage, baking=tray) if stage.kind == "bake" else stage for stage in stages)

    return method.changed(flat)


@dataclass(frozen=True)
class Places:
    """Where steps belong in a method: the stage of each by its key."""

    method: Method
    of_key: dict[str, str]

    def stage(self, key: str) -> Stage | None:
        """The stage that a step is of."""
        return self.method.stage(stage_of_key(key) or self.of_key.get(key))

    def waits_before(self, id_: str) -> tuple[Stage, tuple[Stage, ...]] | None:
        """The last stage of waiting before a stage on its way, and the hands between them."""
        for _, path in self.method.paths:
            ids = [stage.id for stage in path]
            if id_ in ids:
                before = path[: ids.index(id_)]
                waits = [i for i, stage in enumerate(before) if stage.kind in WAITING]
                if waits:
                    return before[waits[-1]], before[waits[-1] + 1 :]
        return None

    def bakes(self) -> Iterator[Stage]:
        """Its stages in the oven."""
        seen = set()
        for _, path in self.method.paths:
            for stage in path:
                if stage.kind == "bake" and stage.id not in seen:
                    seen.add(stage.id)
                    yield stage


def places(method: Method, planned: Plan) -> Places:
    """Where each step of a plan belongs; a plan of an older kind does not say it, so its kind does."""
    found = {}
    steps = [replace(step, key=key) for key, step in zip(keys(planned.steps), planned.steps, strict=True)]
    for step in steps:
        found[step.key] = step.stage or _by_kind(method, step)
    for _, path in method.paths:
        for stage in path:
            if stage.id == TURNED_COLD:
                found.setdefault("chill-1", stage.id)
            if stage.id == RESHAPED:
                found["reshape-1"] = stage.id
            if is_by_hand(stage.id) and stage.kind == "bake":
                found[hand_key("preheat", stage.id, 1)] = stage.id
    return Places(method, found)


def keyed(steps: tuple[Step, ...], where: Places) -> tuple[Step, ...]:
    """Steps under the keys that they have in the plan that was saved; those of stages put in by hand have their own."""
    planned: dict[tuple[str, str], list[str]] = {}
    for key, stage in where.of_key.items():
        planned.setdefault((key.rpartition("-")[0], stage), []).append(key)
    count: Counter[tuple[str, str]] = Counter()
    found = []
    for step in steps:
        own = step.kind, step.stage
        count[own] += 1
        known = planned.get(own, [])
        if is_by_hand(step.stage):
            found.append(replace(step, key=hand_key(*own, count[own])))
        else:
            found.append(replace(step, key=known[count[own] - 1]) if count[own] <= len(known) else step)
    return tuple(found)


def _by_kind(method: Method, step: Step) -> str:
    """The stage of a step of a plan that kept none: every such plan had one way to the oven."""
    stages = [stage for _, path in method.paths[:1] for stage in path]
    of_kind = [stage.id for stage in stages if stage.kind == step.kind]
    number = int(step.key.rsplit("-", 1)[1]) if step.key.rsplit("-", 1)[-1].isdigit() else 1
    if of_kind:
        return of_kind[min(number, len(of_kind)) - 1]
    wanted = {"fold": "bulk", "cut": "cool"}.get(step.kind, "" if step.kind in (*BESIDE, "old_dough") else "bake")
    if step.kind == "chill":
        return next((stage.id for stage in stages if is_cold(stage)), "")
    return next((stage.id for stage in stages if stage.kind == wanted and not is_cold(stage)), "")


def presses_of(happened: Happened, where: Places, minutes: dict[str, float], now: datetime) -> tuple[Press, ...]:
    """What was pressed as edits of the course, in the order of time; what contradicts what is known is left out."""
    found = [press for deed in happened.deeds if (press := _of_deed(deed, where)) is not None]
    found += _of_stages_left_out(happened, where)
    found += _folds(happened, where)
    found += presses_of_edits(happened.edits, where.method)
    kept = list(_possible(sorted(found, key=lambda press: press.at), where.method))
    ended = {press.stage for press in kept if press.kind == "done"} | _passed(kept, where.method)
    return (*kept, *(press for press in _holds(happened, where, minutes, now) if press.stage not in ended))


def _of_deed(deed: Deed, where: Places) -> Press | None:
    """What a step that was done says of a stage."""
    stage, kind = where.stage(deed.key), deed.key.rsplit("-", 1)[0]
    if stage is None or deed.skipped or kind == "fold":
        return None
    if kind == "reshape":
        return Press("done", stage.id, deed.at)
    if kind in BEGINS_STAGE:
        return Press("begun", stage.id, deed.at - (STIR_MIN if kind == "autolyse" else timedelta(0)))
    if kind == "load":
        return Press("begun", stage.id, deed.at) if _first_of_part(deed.key) else None
    if kind == "out":
        return Press("done", stage.id, deed.at) if _last_of_kind(deed.key, where) else None
    if kind == "cut" or kind == stage.kind:
        return Press("done", stage.id, deed.at)
    return None


def _first_of_part(key: str) -> bool:
    return int(key.rsplit("-", 1)[1]) % PARTS_APART == 1


def _last_of_kind(key: str, where: Places) -> bool:
    """Whether no later load comes out than this one."""
    kind, number = key.rsplit("-", 1)
    return f"{kind}-{int(number) + 1}" not in where.of_key


LEFT_OUT = ("preshape", "divide", "shape", "knock_back", "knead", "finish", "fold")


def _of_stages_left_out(happened: Happened, where: Places) -> list[Press]:
    """Work that does not happen; whatever else is left out changes nothing of the course."""
    found = []
    for deed in happened.deeds:
        stage = where.stage(deed.key)
        if deed.skipped and stage is not None and stage.kind in LEFT_OUT and stage.kind == deed.key.rsplit("-", 1)[0]:
            found.append(Press("skipped", stage.id, deed.at))
    return found


def _folds(happened: Happened, where: Places) -> list[Press]:
    found = []
    for deed in happened.deeds:
        stage = where.stage(deed.key)
        if deed.key.startswith("fold-") and stage is not None and stage.kind != "fold":
            found.append(Press("no_fold" if deed.skipped else "fold", stage.id, deed.at))
    bulk = next((s for _, path in where.method.paths for s in path if s.kind == "bulk"), None)
    if bulk is not None:
        found += [Press("extra_fold", bulk.id, at) for at in happened.extra_folds]
    return found


def _possible(found: list[Press], method: Method) -> Iterator[Press]:
    """Of presses in the order of time those that contradict none before them."""
    ways = [[stage.id for stage in path if stage.kind not in BESIDE] for _, path in method.paths]
    over: set[str] = set()
    for press in found:
        own = [way for way in ways if press.stage in way]
        if press.stage in over:
            continue
        later = [id_ for way in own for id_ in way[way.index(press.stage) + 1 :]]
        if own and any(id_ in over for id_ in later):
            continue
        if press.kind in ("done", "skipped"):
            over.add(press.stage)
        if press.kind == "begun":
            over |= {id_ for way in own for id_ in way[: way.index(press.stage)]}
        yield press


def _passed(kept: list[Press], method: Method) -> set[str]:
    """Stages that are over because a later one of their way ended or began."""
    found: set[str] = set()
    for _, path in method.paths:
        ids = [stage.id for stage in path if stage.kind not in BESIDE]
        for press in kept:
            if press.kind in ("done", "begun") and press.stage in ids:
                found |= set(ids[: ids.index(press.stage)])
    return found


def _holds(happened: Happened, where: Places, minutes: dict[str, float], now: datetime) -> list[Press]:
    """Stages that go on until a time: what comes after them is not due, or was put off, until then."""
    until: dict[str, datetime] = {}
    for held in happened.held:
        stage = where.stage(held.key)
        if stage is None or happened.settled(held.key) or held.key.startswith(("fold-", "out-", "cut-")):
            continue
        if stage.kind == "bake" and not held.key.startswith("load-"):
            continue
        _hold(until, where, stage.id, held.until, minutes)
    if happened.cold_from is not None:
        _hold(until, where, TURNED_COLD, happened.cold_from, minutes)
    if happened.reshaped is not None:
        _hold(until, where, RESHAPED, happened.reshaped, minutes)
    if happened.load_at is not None:
        for bake in where.bakes():
            _hold(until, where, bake.id, happened.load_at, minutes)
    return [Press("held", id_, min(now, at - timedelta(minutes=1)), until=at) for id_, at in until.items()]


def _hold(until: dict[str, datetime], where: Places, id_: str, at: datetime, minutes: dict[str, float]) -> None:
    """What waits before a stage goes on until that stage can begin at ``at``."""
    found = where.waits_before(id_)
    if found is None:
        return
    waits, between = found
    end = at - timedelta(minutes=sum(minutes.get(stage.id, 0.0) for stage in between))
    until[waits.id] = max(end, until.get(waits.id, end))
