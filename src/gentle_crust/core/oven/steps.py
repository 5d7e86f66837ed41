"""What is done when in a bake, minute by minute, each with its cautions."""

from dataclasses import dataclass, replace
from typing import Literal

from gentle_crust.core.cautions import Caution, at_step
from gentle_crust.core.messages import NOTHING, Message, joined, message
from gentle_crust.core.oven.bake import Bake
from gentle_crust.core.oven.equipment import Oven, Vessel, in_a_sentence, shape_row
from gentle_crust.core.oven.kit import HOB_MIN, vessel_heat
from gentle_crust.core.oven.profile import SOAK_AFTER_RAKING_MIN
from gentle_crust.core.oven.staged import Done
from gentle_crust.core.oven.steaming import steaming
from gentle_crust.core.oven.turning import half_way, in_use

Tool = Literal["lame", "scissors", "peel", "board", "couche", "sling"]
"""What a baker scores and loads with."""


@dataclass(frozen=True)
class Touch:
    """One thing to do, minutes from loading (before it: negative), with its cautions."""

    kind: str
    minute: float
    title: Message
    text: Message
    cautions: tuple[Caution, ...] = ()
    what: str = ""
    """What goes in or comes out, at a step of steaming."""


def touches(
    question: Bake, done: Done, vessel: Vessel, oven: Oven, tools: tuple[Tool, ...], rye: bool = False
) -> tuple[Touch, ...]:
    """What to do when, from heating to cooling; ``rye``: half of the loaf's flour or more is rye.

    Parameters
    ----------
    question : what is asked, whole
    done : when core, colour and loss are reached, min
    vessel : a vessel of the kitchen, or its kind in the table of vessels
    oven : the oven as its baker describes it: kind, litres (10-2000), watts, offset (K)
    tools : tools for scoring and loading
    rye : share of rye in all flour, 0-1

    Returns
    -------
    Steps with minute and cautions.
    """
    lidded = vessel_heat(question.vessel.kind).lid_kg > 0
    found = []
    heating, first, last = question.preheat, question.stages[0], question.stages[-1]
    if heating.minutes > 0:
        inside = {"whole": "touch-preheat-whole", "lid": "touch-preheat-lid"}.get(question.vessel.preheated)
        hot = round(heating.setpoint_c)
        text = message("touch-preheat", hot=hot)
        if inside:
            text = message(inside, hot=hot, vessel=in_a_sentence(vessel))
        found.append(Touch("preheat", -heating.minutes, message("touch-preheat-title"), text))
    if question.vessel.preheated == "hob":
        warm = message("touch-hob", minutes=HOB_MIN, vessel=in_a_sentence(vessel))
        found.append(Touch("preheat", -HOB_MIN, message("touch-hob-title"), warm, what="hob"))
    lead = SOAK_AFTER_RAKING_MIN if question.oven.kind == "wood" else heating.minutes
    for each in steaming(question.steam, lead, question.vent_min, question.minutes):
        found.append(Touch(f"steam_{each.way}", each.minute, each.title, each.text, what=each.what))
    cover = "lid-on" if lidded and first.covered else "steam-in" if first.covered else "door-shut"
    cut = scored(question.loaf.shape, rye)
    title = message("touch-score-and-load" if cut else "touch-load-title")
    shut = message(f"touch-load-{cover}", minutes=round(first.minutes))
    found.append(Touch("load", 0, title, joined(*_by_hand(question, tools, cut), shut)))
    at, dialless = 0.0, question.oven.kind == "wood"
    for before, after in zip(question.stages, question.stages[1:], strict=False):
        at += before.minutes
        change = message("touch-set", hot=round(after.setpoint_c)) if after.setpoint_c else message("touch-oven-off")
        more = round(after.minutes)
        if before.covered and not after.covered:
            title = message("touch-lid-off" if lidded else "touch-steam-out")
            then = message("touch-then", change=change, minutes=more)
            found.append(Touch("vent", at, title, message("touch-for", minutes=more) if dialless else then))
        elif not dialless:
            found.append(Touch("step", at, change, message("touch-for", minutes=more)))
        if after.grill != before.grill:
            title = message("touch-grill" if after.grill else "touch-grill-off")
            found.append(Touch("grill" if after.grill else "step", at, title, message("touch-for", minutes=more)))
    open_from = question.minutes - last.minutes
    swapped = half_way([stage.minutes for stage in question.stages])
    if swapped is not None and in_use(vessel, oven, question.loaf, question.loaf.pieces) > 1:
        # What changes places is turned front to back as it does: not once more.
        found.append(Touch("swap", swapped, message("touch-swap-title"), message("step-swap")))
    elif question.oven.kind != "electric_fan" and (
        oven.hot_side or vessel.kind in ("tray", "perforated_tray", "oven_floor")
    ):
        text = message(f"turn-hotter-{oven.hot_side}" if oven.hot_side else "turn-round")
        found.append(Touch("turn", open_from + last.minutes / 2, message("turn-title"), text))
    check = max(question.minutes - 6, open_from + 1)
    found.append(Touch("check", check, message("touch-check-title"), message("touch-check")))
    out = message("touch-out", core=round(done.core_c))
    found.append(Touch("out", question.minutes, message("touch-out-title"), out))
    kept = tuple(sorted(found, key=lambda touch: (touch.minute, ORDER.get(touch.kind, 1))))
    return _with_cautions(kept, question, lidded, cut)


ORDER = {"preheat": 0, "vent": 0, "out": 2}
"""Of what falls into one minute: the oven is lit before what goes in to heat, and opened before what comes out."""


def scored(shape: str, rye: bool) -> bool:
    """Whether loaves of this shape are cut before they are loaded; ``rye``: half of their flour or more is rye.

    Parameters
    ----------
    shape : shape of the piece
    rye : share of rye in all flour, 0-1

    Returns
    -------
    Whether they are cut.
    """
    return shape_row(shape)["scored"] == "1" and not rye


def _by_hand(question: Bake, tools: tuple[Tool, ...], cut: bool) -> tuple[Message, ...]:
    """How to score and load with the tools that there are."""
    kind, shape = question.vessel.kind, question.loaf.shape
    score = _score(tools) if cut else NOTHING
    if kind in ("stone", "steel", "oven_floor"):
        way = "board" if shape == "baguette" and "board" in tools else "peel" if "peel" in tools else "tray"
        return score, message(f"slide-off-{way}")
    if kind.startswith("lidded") and question.vessel.preheated in ("whole", "hob"):
        return score, message("lower-in" if "sling" in tools else "tip-in")
    return (score,)


def _score(tools: tuple[Tool, ...]) -> Message:
    return message("score-lame" if "lame" in tools else "score-scissors" if "scissors" in tools else "score-knife")


def _with_cautions(touches: tuple[Touch, ...], question: Bake, lidded: bool, cut: bool) -> tuple[Touch, ...]:
    """Each caution at every minute at which its cause is there."""
    vessel, oven = question.vessel.kind, question.oven.kind
    return tuple(
        replace(touch, cautions=at_step(touch.kind, vessel, oven, lidded, scored=cut, what=touch.what))
        for touch in touches
    )
