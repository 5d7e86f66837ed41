"""What is done when in a bake, minute by minute, each with its cautions."""

from dataclasses import dataclass, replace
from typing import Literal

from gentle_crust.core.cautions import Caution, at_step
from gentle_crust.core.oven.bake import Bake
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.oven.kit import vessel_heat
from gentle_crust.core.oven.staged import Done

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


def touches(question: Bake, done: Done, vessel: Vessel, oven: Oven, tools: tuple[Tool, ...]) -> tuple[Touch, ...]:
    """What to do when, from heating to cooling."""
    lidded = vessel_heat(question.vessel.kind).lid_kg > 0
    found = []
    heating, first, last = question.preheat, question.stages[0], question.stages[-1]
    if heating.minutes > 0:
        inside = f", {vessel.name.lower()} inside" if question.vessel.preheated == "whole" else ""
        found.append(
            Touch(
                "preheat",
                -heating.minutes,
                "Preheat",
                f"Oven to {{{heating.setpoint_c:.0f}|c}}{inside}. Nothing may be proofing in it.",
            )
        )
    for source in question.steam:
        if source.kind in STEAM_WORDS:
            at, text = STEAM_WORDS[source.kind]
            found.append(Touch("steam", at, "Steam", text))
    cover = "lid on" if lidded and first.covered else "steam in" if first.covered else "door shut"
    by = _by_hand(question, tools)
    found.append(Touch("load", 0, "Score and load", f"{by}{cover.capitalize()}, {first.minutes:.0f} min."))
    at = 0.0
    for before, after in zip(question.stages, question.stages[1:], strict=False):
        at += before.minutes
        change = f"{{{after.setpoint_c:.0f}|c}}" if after.setpoint_c else "Oven off"
        if before.covered and not after.covered:
            title = "Lid off" if lidded else "Steam out"
            found.append(Touch("vent", at, title, f"{_taken_out(question)}{change}, {after.minutes:.0f} min more."))
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
    kept = tuple(sorted(found, key=lambda touch: touch.minute))
    return _with_cautions(kept, question, lidded)


def _taken_out(question: Bake) -> str:
    """What made steam and has to leave with it."""
    kinds = {source.kind for source in question.steam}
    if "soaked_towels" in kinds:
        return "Towels and their tray out, gloves on. "
    return "The pan of water out, level, gloves on. " if "water_pan" in kinds else ""


def _by_hand(question: Bake, tools: tuple[Tool, ...]) -> str:
    """How to score and load with the tools that there are."""
    kind, shape = question.vessel.kind, question.loaf.shape
    score = "" if shape in ("flat_round", "slipper") else _score(tools)
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


STEAM_WORDS = {
    "hot_stones_and_water": (0.0, "Half a litre of boiling water onto the stones, from the side, door shut at once."),
    "hot_pan": (0.0, "A quarter litre of boiling water into the hot pan, from the side, door shut at once."),
    "soaked_towels": (-15.0, "The soaked towels in their metal tray of water onto the floor rack."),
    "water_pan": (-30.0, "A pan of hot water onto the lowest rack."),
    "mist_loaf": (-1.0, "Mist the loaf, outside the oven."),
    "mist_walls": (0.0, "Not recommended: six sprays at the walls, never at lamp or glass."),
    "ice_in_pot": (0.0, "Not recommended: a handful of ice beside the loaf."),
    "built_in": (0.0, "Steam on."),
}
"""When each source is put to work (minutes from loading) and how."""


def _with_cautions(touches: tuple[Touch, ...], question: Bake, lidded: bool) -> tuple[Touch, ...]:
    """Each caution at its stage, once."""
    vessel, oven = question.vessel.kind, question.oven.kind
    steam = tuple(source.kind for source in question.steam)
    seen: set[str] = set()
    found = []
    for touch in touches:
        here = at_step(touch.kind, vessel, oven, lidded, steam=steam)
        found.append(replace(touch, cautions=tuple(each for each in here if each.code not in seen)))
        seen.update(each.code for each in here)
    return tuple(found)
