"""What to do with a verdict: wait until, go on, chill, rescue; and what vessel and cold change about it."""

from dataclasses import dataclass

import numpy as np

from gentle_crust.core.messages import NOTHING, Message, joined, message
from gentle_crust.core.oven.doneness import chip, minutes_to_core, remedies
from gentle_crust.core.oven.equipment import vessel_row
from gentle_crust.core.oven.staged import Done
from gentle_crust.core.readiness.cues import Dough, Leaven, Stage, State
from gentle_crust.core.readiness.outside import VerdictCode
from gentle_crust.core.tables import rows


@dataclass(frozen=True)
class Pace:
    """Minutes until this dough is ready by its own forecast, and until it is too far; None if not foretold."""

    ready_min: float | None
    over_min: float | None


@dataclass(frozen=True)
class Action:
    """What to do (a ``code`` for programs, ``do`` for people) within so many minutes, and what vessel or cold add."""

    code: str
    do: Message
    within_min: int
    note: Message = NOTHING


USUAL_MIN: dict[tuple[Stage, State], float] = {
    ("bulk", "early"): 110, ("bulk", "nearly"): 40, ("bulk", "ready"): 35, ("bulk", "late"): 10,
    ("final_proof", "early"): 60, ("final_proof", "nearly"): 25, ("final_proof", "ready"): 25,
    ("final_proof", "late"): 5,
    ("culture", "early"): 120, ("culture", "nearly"): 45, ("culture", "ready"): 90, ("culture", "late"): 120,
    ("preferment", "early"): 150, ("preferment", "nearly"): 50, ("preferment", "ready"): 90, ("preferment", "late"): 30,
    ("gluten", "early"): 5, ("gluten", "nearly"): 3, ("gluten", "ready"): 10, ("gluten", "late"): 5,
    ("baked", "early"): 8, ("baked", "nearly"): 4, ("baked", "ready"): 2, ("baked", "late"): 1,
}  # fmt: skip
"""Minutes until it is ready, or for how long it stays so, of a dough at 24 C that nobody has forecast (practice)."""
SHORTEST, LONGEST = 3, 240
ACTIONS: dict[tuple[Stage, State], str] = {
    ("gluten", "early"): "wait", ("gluten", "nearly"): "wait", ("gluten", "ready"): "go",
    ("gluten", "late"): "go", ("gluten", "over"): "rescue",
    ("culture", "early"): "wait", ("culture", "nearly"): "wait", ("culture", "ready"): "go",
    ("culture", "late"): "go", ("culture", "over"): "rescue",
    ("preferment", "early"): "wait", ("preferment", "nearly"): "wait", ("preferment", "ready"): "go",
    ("preferment", "late"): "go", ("preferment", "over"): "rescue",
    ("bulk", "early"): "wait", ("bulk", "nearly"): "wait", ("bulk", "ready"): "go",
    ("bulk", "late"): "go", ("bulk", "over"): "rescue",
    ("final_proof", "early"): "wait", ("final_proof", "nearly"): "wait", ("final_proof", "ready"): "bake",
    ("final_proof", "late"): "bake", ("final_proof", "over"): "rescue",
    ("baked", "early"): "wait", ("baked", "nearly"): "wait", ("baked", "ready"): "go",
    ("baked", "late"): "go", ("baked", "over"): "go",
}  # fmt: skip


def action_for(stage: Stage, state: State, dough: Dough, vessel: str | None, pace: Pace | None) -> Action:
    """The action for a verdict.

    Parameters
    ----------
    stage : name of a stage
    state : where the dough stands, one column an activity of its leaven
    dough : the dough, in g or as it is judged
    vessel : a vessel of the kitchen, or its kind in the table of vessels
    pace : how fast the dough goes, 1 at 24 C

    Returns
    -------
    What to do, and within how many minutes.
    """
    code, do = ACTIONS[(stage, state)], message(f"advice-{stage}-{state}")
    if stage == "final_proof" and state in ("ready", "late") and dough.cold:
        do = message("advice-final_proof-from-the-fridge")
    if stage == "baked" and state == "nearly":
        do = message("advice-baked-covered")
    return Action(code, do, _within_min(stage, state, dough, pace), _note(stage, state, dough, vessel))


def _within_min(stage: Stage, state: State, dough: Dough, pace: Pace | None) -> int:
    """Until one should look again, or by when it should be done."""
    if state == "over":
        return 0 if stage == "baked" else 15
    usual = USUAL_MIN[(stage, state)]
    if stage not in ("gluten", "baked"):
        usual /= pace_of(dough.dough_c, dough.leaven)
    if pace is not None and state in ("early", "nearly") and pace.ready_min is not None and pace.ready_min > 0:
        usual = pace.ready_min
    if pace is not None and state == "ready" and pace.over_min is not None:
        usual = max(pace.over_min, SHORTEST)
    if state == "early" and stage not in ("gluten", "baked"):
        usual *= 0.6
    return int(np.clip(round(usual), SHORTEST if stage != "baked" else 1, LONGEST))


def pace_of(dough_c: float, leaven: Leaven) -> float:
    """How fast a dough goes by its leaven beside one at 24 C, 0.1-2.1 (practice).

    Yeasted dough is never slower above 24 C; a levain is from about 33 C on. A mixed dough goes between the two.

    Parameters
    ----------
    dough_c : temperature of the dough, C, 0-43
    leaven : what raises it: levain, yeast or mixed

    Returns
    -------
    A factor, .1-2.1.
    """
    table = rows("readiness_pace")
    warmth = [float(row["celsius"]) for row in table]
    kinds = ("yeast", "levain") if leaven == "mixed" else (leaven,)
    paces = [float(np.interp(dough_c, warmth, [float(row[kind]) for row in table])) for kind in kinds]
    return sum(paces) / len(paces)


def _note(stage: Stage, state: State, dough: Dough, vessel: str | None) -> Message:
    """What the vessel and the cold change about it."""
    if stage != "final_proof":
        return NOTHING
    if dough.rye:
        return message("note-rye")
    group = vessel_row(vessel)["proof_group"] if vessel else ""
    if dough.cold:
        return message("note-cold")
    if group == "tin" and state in ("early", "nearly", "ready"):
        return message("note-tin")
    if group == "tray" and state in ("early", "nearly", "ready"):
        return message("note-tray")
    if group in ("stone", "hot_pot") and state in ("ready", "late"):
        return message("note-hot-vessel")
    if group == "cold_start" and state in ("nearly", "ready", "late"):
        return message("note-cold-oven")
    return NOTHING


_MORE_MIN = {"raw_pale": 6, "raw_dark": 6, "done_pale": 4, "done_dark": 1}
"""Minutes until a loaf is looked at again, or by when it is out, if no core was measured (practice)."""
_COLOURS = {"pale": chip("pale"), "golden": chip("golden"), "dark": chip("very-dark")}
_LEAN_COLOUR, _LEAN_LOSS = 50.0, 0.10


def of_loaf(
    action: Action, cues: dict[str, str | float], core_c: float, pace: Pace | None, code: VerdictCode
) -> Action:
    """What to do with a loaf by its inside and outside: the action that belongs to the verdict's ``code``.

    One that is done and well coloured may still want its base browned, or to dry: then that is said.

    Parameters
    ----------
    action : what would be done by the inside alone
    cues : what is seen: cue to value, as the table of cues has them
    core_c : core temperature, C, 0-105
    pace : how fast the dough goes, 1 at 24 C
    code : code of the verdict

    Returns
    -------
    What to do, and within how many minutes.
    """
    if code == "ready":
        return _of_base_and_weight(action, cues, core_c)
    minutes, core = _MORE_MIN[code], cues.get("core_c")
    if code.startswith("raw") and core is not None:
        minutes = minutes_to_core(float(core), core_c)
    if code.startswith("raw") and pace is not None and pace.ready_min:
        minutes = max(round(pace.ready_min), 1)
    does = "go" if code == "done_dark" else "wait"
    return Action(does, message(f"advice-baked-{code.replace('_', '-')}"), minutes, action.note)


def _of_base_and_weight(action: Action, cues: dict[str, str | float], core_c: float) -> Action:
    """A loaf that is baked, with what its base and its loss ask for."""
    loss = cues.get("loss_percent")
    signs = remedies(
        None,
        None,
        _COLOURS.get(str(cues.get("base"))),
        float(loss) / 100 if loss is not None else None,
        Done(core_c, _LEAN_COLOUR, _LEAN_LOSS, None, None, None),
    )
    if not signs:
        return action
    return Action("wait", joined(*(sign.text for sign in signs)), signs[0].minutes, action.note)


def conflict_of(stage: Stage, ahead: bool, dough: Dough) -> Message:
    """Both explanations when the dough is ahead of its forecast, or behind it, and how to tell them apart.

    Parameters
    ----------
    stage : name of a stage
    ahead : whether the dough is ahead of its forecast
    dough : the dough, in g or as it is judged

    Returns
    -------
    A sentence.
    """
    if stage == "baked":
        return message("conflict-baked")
    if ahead:
        ours = message("conflict-ahead-warmer")
        other = message("conflict-ahead-a-bubble") if stage == "final_proof" else message("conflict-ahead-misread")
        return message("conflict-ahead", ours=ours, other=other)
    ours = message("conflict-behind-colder")
    other = (
        message("conflict-behind-a-dry-skin")
        if stage == "final_proof" and not dough.cold
        else message("conflict-behind-cold")
        if dough.cold
        else message("conflict-behind-folded")
    )
    return message("conflict-behind", ours=ours, other=other)
