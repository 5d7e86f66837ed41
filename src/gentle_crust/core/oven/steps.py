"""What is done when in a bake, minute by minute, each with its cautions."""

from dataclasses import dataclass, replace
from typing import Literal

from gentle_crust.core.cautions import Caution, at_step
from gentle_crust.core.oven.bake import Bake
from gentle_crust.core.oven.equipment import Oven, Vessel, shape_row
from gentle_crust.core.oven.kit import vessel_heat
from gentle_crust.core.oven.staged import Done
from gentle_crust.core.oven.steaming import steaming

Tool = Literal["lame", "scissors", "peel", "board", "couche", "sling"]
"""What a baker scores and loads with."""


@dataclass(frozen=True)
class Touch:
    """One thing to do, minutes from loading (before it: negative), with its cautions."""

    kind: str
    minute: float
    title: str
    text: str
    cautions: tuple[Caution, ...] = ()
    what: str = ""
    """What goes in or comes out, at a step of steaming."""


def touches(
    question: Bake, done: Done, vessel: Vessel, oven: Oven, tools: tuple[Tool, ...], rye: bool = False
) -> tuple[Touch, ...]:
    """What to do when, from heating to cooling; ``rye``: half of the loaf's flour or more is rye."""
    lidded = vessel_heat(question.vessel.kind).lid_kg > 0
    found = []
    heating, first, last = question.preheat, question.stages[0], question.stages[-1]
    if heating.minutes > 0:
        name = vessel.name.lower()
        inside = {"whole": f", {name} inside", "lid": f", the lid of the {name} inside, its base left out"}.get(
            question.vessel.preheated, ""
        )
        text = f"Oven to {{{heating.setpoint_c:.0f}|c}}{inside}. Nothing may be proofing in it."
        found.append(Touch("preheat", -heating.minutes, "Preheat", text))
    for each in steaming(question.steam, heating.minutes, question.vent_min, question.minutes):
        found.append(Touch(f"steam_{each.way}", each.minute, each.title, each.text, what=each.what))
    cover = "lid on" if lidded and first.covered else "steam in" if first.covered else "door shut"
    cut = scored(question.loaf.shape, rye)
    by = _by_hand(question, tools, cut)
    title = "Score and load" if cut else "Load"
    found.append(Touch("load", 0, title, f"{by}{cover.capitalize()}, {first.minutes:.0f} min."))
    at = 0.0
    for before, after in zip(question.stages, question.stages[1:], strict=False):
        at += before.minutes
        change = f"{{{after.setpoint_c:.0f}|c}}" if after.setpoint_c else "Oven off"
        if before.covered and not after.covered:
            title = "Lid off" if lidded else "Steam out"
            found.append(Touch("vent", at, title, f"{change}, {after.minutes:.0f} min more."))
        else:
            found.append(Touch("step", at, change if after.setpoint_c else "Oven off", f"{after.minutes:.0f} min."))
    open_from = question.minutes - last.minutes
    if question.oven.kind != "electric_fan" and (
        oven.hot_side or vessel.kind in ("tray", "perforated_tray", "oven_floor")
    ):
        text = f"Hotter at the {oven.hot_side}: turn it round." if oven.hot_side else "Back to front, top to bottom."
        found.append(Touch("turn", open_from + last.minutes / 2, "Turn", text))
    check = max(question.minutes - 6, open_from + 1)
    found.append(Touch("check", check, "First look", "Then every 2 min: colour, core, knock."))
    out = f"Core {{{done.core_c:.0f}|c}}, a hollow knock, the colour you want."
    found.append(Touch("out", question.minutes, "Out", out))
    kept = tuple(sorted(found, key=lambda touch: (touch.minute, ORDER.get(touch.kind, 1))))
    return _with_cautions(kept, question, lidded, cut)


ORDER = {"preheat": 0, "vent": 0, "out": 2}
"""Of what falls into one minute: the oven is lit before what goes in to heat, and opened before what comes out."""


def scored(shape: str, rye: bool) -> bool:
    """Whether loaves of this shape are cut before they are loaded; ``rye``: half of their flour or more is rye."""
    return shape_row(shape)["scored"] == "1" and not rye


def _by_hand(question: Bake, tools: tuple[Tool, ...], cut: bool) -> str:
    """How to score and load with the tools that there are."""
    kind, shape = question.vessel.kind, question.loaf.shape
    score = _score(tools) if cut else ""
    if kind in ("stone", "steel", "oven_floor"):
        way = "board" if shape == "baguette" and "board" in tools else "peel" if "peel" in tools else ""
        return f"{score}Slide it off {'a ' + way if way else 'an upturned tray'}, dusted with meal. "
    if kind.startswith("lidded") and question.vessel.preheated == "whole":
        return (
            f"{score}{'Lower it in with the sling. ' if 'sling' in tools else 'Tip it in from the side, hands clear. '}"
        )
    return score


def _score(tools: tuple[Tool, ...]) -> str:
    if "lame" in tools:
        return "Score with the lame. "
    return "Snip with scissors. " if "scissors" in tools else "Score with a thin sharp knife. "


def _with_cautions(touches: tuple[Touch, ...], question: Bake, lidded: bool, cut: bool) -> tuple[Touch, ...]:
    """Each caution at every minute at which its cause is there."""
    vessel, oven = question.vessel.kind, question.oven.kind
    return tuple(
        replace(touch, cautions=at_step(touch.kind, vessel, oven, lidded, scored=cut, what=touch.what))
        for touch in touches
    )
