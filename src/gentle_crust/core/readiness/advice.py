"""What to do with a verdict: wait until, go on, chill, rescue; and what vessel and cold change about it."""

from dataclasses import dataclass

import numpy as np

from gentle_crust.core.oven.doneness import chip, remedies
from gentle_crust.core.oven.equipment import vessel_row
from gentle_crust.core.oven.staged import Done
from gentle_crust.core.readiness.cues import Dough, Leaven, Stage, State
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
    do: str
    within_min: int
    note: str = ""


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
DO: dict[tuple[Stage, State], tuple[str, str]] = {
    ("gluten", "early"): ("wait", "Go on kneading, or fold again after a rest."),
    ("gluten", "nearly"): ("wait", "Nearly: a few more turns, or one more set of folds."),
    ("gluten", "ready"): ("go", "Enough. Let it ferment."),
    ("gluten", "late"): ("go", "Stop now and let it rest; handle it gently from here on."),
    ("gluten", "over"): ("rescue", "Stop: it tears. Rest it 30 min under cover, then bake it in a tin."),
    ("culture", "early"): ("wait", "Leave it, and look again."),
    ("culture", "nearly"): ("wait", "Nearly ripe: look again soon."),
    ("culture", "ready"): ("go", "Use it now."),
    ("culture", "late"): ("go", "Past its peak, still a good seed: use it soon, or feed it."),
    ("culture", "over"): ("rescue", "Feed it with equal parts and wait for its next peak."),
    ("preferment", "early"): ("wait", "Wait; somewhere warmer hurries it."),
    ("preferment", "nearly"): ("wait", "Nearly ripe: look again soon."),
    ("preferment", "ready"): ("go", "Mix the dough now."),
    ("preferment", "late"): ("go", "Mix at once; the dough will be slacker, so shorten bulk a little."),
    ("preferment", "over"): ("rescue", "Use at most half of it and add a pinch of yeast, or begin it anew."),
    ("bulk", "early"): ("wait", "Leave it, and look again."),
    ("bulk", "nearly"): ("wait", "Nearly: look again soon."),
    ("bulk", "ready"): ("go", "Divide and shape."),
    ("bulk", "late"): ("go", "Shape at once, gently, and chill it or keep the proof short."),
    ("bulk", "over"): ("rescue", "Fold it gently, shape it into a tin and proof it short, or bake it as a flatbread."),
    ("final_proof", "early"): ("wait", "Leave it, and look again; a warmer place hurries it."),
    ("final_proof", "nearly"): ("wait", "Nearly: look again soon, and have the oven hot."),
    ("final_proof", "ready"): ("bake", "Bake now. If the oven is not ready, chill it."),
    ("final_proof", "late"): ("bake", "Bake at once, scored lightly; if the oven is cold, chill it at once."),
    ("final_proof", "over"): ("rescue", "Fold it gently, shape again and proof it short, or bake it as a flatbread."),
    ("baked", "early"): ("wait", "Back in, and look again."),
    ("baked", "nearly"): ("wait", "A few minutes more."),
    ("baked", "ready"): ("go", "Out, onto a rack."),
    ("baked", "late"): ("go", "Out now, onto a rack."),
    ("baked", "over"): ("go", "Out at once; cut the darkest off the base if it is bitter."),
}


def action_for(stage: Stage, state: State, dough: Dough, vessel: str | None, pace: Pace | None) -> Action:
    """The action for a verdict."""
    code, do = DO[(stage, state)]
    if stage == "final_proof" and state in ("ready", "late") and dough.cold:
        do = "Bake it straight from the fridge; while it is cold it can wait an hour or two."
    if stage == "baked" and state == "nearly":
        do = "A few minutes more, covered with foil if it is dark already."
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
    """
    table = rows("readiness_pace")
    warmth = [float(row["celsius"]) for row in table]
    kinds = ("yeast", "levain") if leaven == "mixed" else (leaven,)
    paces = [float(np.interp(dough_c, warmth, [float(row[kind]) for row in table])) for kind in kinds]
    return sum(paces) / len(paces)


def _note(stage: Stage, state: State, dough: Dough, vessel: str | None) -> str:
    """What the vessel and the cold change about it."""
    if stage != "final_proof":
        return ""
    if dough.rye:
        return "Rye goes by its cracks: fine ones and pinholes are right, the poke says nothing."
    group = vessel_row(vessel)["proof_group"] if vessel else ""
    if dough.cold:
        return "Cold dough answers the poke sluggishly at every stage: firm edges decide."
    if group == "tin" and state in ("early", "nearly", "ready"):
        return "In the tin let it go on to just above the rim: the walls hold it up."
    if group == "tray" and state in ("early", "nearly", "ready"):
        return "On a tray it springs less: let it go further than for a stone."
    if group in ("stone", "hot_pot") and state in ("ready", "late"):
        return "The hot vessel lifts it further, so it goes in a little early rather than late."
    if group == "cold_start" and state in ("nearly", "ready", "late"):
        return "From a cold oven it goes on proofing for a quarter of an hour: put it in early."
    return ""


_COLOURS = {"pale": chip("pale"), "golden": chip("golden"), "deep": chip("deep"), "dark": chip("very dark")}
_LEAN_COLOUR, _LEAN_LOSS = 50.0, 0.10


def of_loaf(action: Action, cues: dict[str, str | float], core_c: float, pace: Pace | None) -> Action:
    """What a loaf's own signs add: a pale base, too dark with a raw core and the like, each with its remedy."""
    core, loss = cues.get("core_c"), cues.get("loss_percent")
    signs = remedies(
        float(core) if core is not None else None,
        _COLOURS.get(str(cues.get("crust"))),
        _COLOURS.get(str(cues.get("base"))),
        float(loss) / 100 if loss is not None else None,
        Done(core_c, _LEAN_COLOUR, _LEAN_LOSS, None, None, None),
    )
    if not signs:
        return action
    minutes = signs[0].minutes
    if core is not None and float(core) < core_c - 1 and pace is not None and pace.ready_min:
        minutes = max(round(pace.ready_min), 1)
    return Action("wait", " ".join(sign.text for sign in signs), minutes, action.note)


def conflict_words(stage: Stage, ahead: bool, dough: Dough) -> str:
    """Both explanations when the dough is ahead of its forecast, or behind it, and how to tell them apart."""
    if stage == "baked":
        return "The signs do not agree: a probe in the middle decides."
    if ahead:
        ours = "it is warmer or livelier than was thought"
        other = "a large bubble or a wet skin gave in under the finger" if stage == "final_proof" else "it was misread"
        return f"The dough is ahead of its forecast: either {ours}, or {other}. Measure its temperature, try elsewhere."
    ours = "it is colder or its leaven weaker than was thought"
    other = (
        "a dry skin hides it"
        if stage == "final_proof" and not dough.cold
        else "it is so cold that it does not answer"
        if dough.cold
        else "it was just folded"
    )
    return f"The dough is behind its forecast: either {ours}, or {other}. Measure its temperature, look again."
