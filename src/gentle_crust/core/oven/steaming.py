"""What makes steam in a bake: what goes into the oven, when, how much of it, and when it comes out again."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from gentle_crust.core.messages import Message, message
from gentle_crust.core.oven.kit import Steam, steam_of

What = Literal["stones", "pan", "towels", "water", "ice", "spray", "steam"]
POURED_AFTER_MIN = 0.5
"""Water is poured, walls are sprayed, once the loaf is in and before the door is shut for good."""
MISTED_BEFORE_MIN = 1.0


@dataclass(frozen=True)
class Steaming:
    """One thing that goes in (or comes out) to make steam, minutes from loading (before it: negative).

    ``g`` of it, None where it is not weighed.
    """

    way: Literal["in", "out"]
    what: What
    minute: float
    g: float | None
    title: Message
    text: Message


def steaming(sources: Sequence[Steam], preheat_min: float, vent_min: float, out_min: float) -> tuple[Steaming, ...]:
    """All that goes in and comes out for ``sources``, in order of time.

    What heats with the oven goes in when it is lit, no earlier; what is still in comes out as the steam is let out at
    ``vent_min``, and with the loaf at ``out_min`` at the latest.

    Parameters
    ----------
    sources : ways to steam with grams and minute
    preheat_min : minutes of heating before loading
    vent_min : minute at which the steam is let out
    out_min : minute at which the loaf is taken out

    Returns
    -------
    What goes in or out, g, by the minute.
    """
    found: list[Steaming] = []
    out = min(vent_min, out_min)
    for source in sources:
        if source.kind != "none":
            found += _of(steam_of(source), preheat_min, out)
    return tuple(sorted(found, key=lambda each: each.minute))


def _of(source: Steam, preheat_min: float, out: float) -> list[Steaming]:
    grams, lit = source.g or 0.0, -preheat_min
    at = source.at_min or 0.0
    soon = max(at, lit)
    after = max(at, 0) + POURED_AFTER_MIN
    if source.kind == "hot_stones_and_water":
        pour = message("steam-stones-pour", g=round(grams))
        return [
            Steaming("in", "stones", lit, None, message("steam-stones-in-title"), message("steam-stones-in")),
            Steaming("in", "water", after, grams, message("steam-pour-title"), pour),
            Steaming("out", "stones", out, None, message("steam-stones-out-title"), message("steam-stones-out")),
        ]
    if source.kind == "hot_pan":
        pour = message("steam-pan-pour", g=round(grams))
        return [
            Steaming("in", "pan", lit, None, message("steam-pan-in-title"), message("steam-pan-in")),
            Steaming("in", "water", after, grams, message("steam-pour-title"), pour),
            Steaming("out", "pan", out, None, message("steam-pan-out-title"), message("steam-pan-out")),
        ]
    if source.kind == "soaked_towels":
        return [
            Steaming(
                "in", "towels", soon, grams, message("steam-towels-in-title"),
                message("steam-towels-in", g=round(grams)),
            ),
            Steaming("out", "towels", out, None, message("steam-towels-out-title"), message("steam-towels-out")),
        ]  # fmt: skip
    if source.kind == "water_pan":
        return [
            Steaming(
                "in", "water", soon, grams, message("steam-water-in-title"), message("steam-water-in", g=round(grams))
            ),
            Steaming("out", "pan", out, None, message("steam-water-out-title"), message("steam-water-out")),
        ]
    if source.kind == "mist_loaf":
        minute = min(at, -MISTED_BEFORE_MIN)
        return [Steaming("in", "spray", minute, grams, message("steam-mist-title"), message("steam-mist"))]
    if source.kind == "mist_walls":
        text = message("steam-spray")
        return [Steaming("in", "spray", after, grams, message("steam-spray-title"), text)]
    if source.kind == "ice_in_pot":
        text = message("steam-ice", g=round(grams))
        return [Steaming("in", "ice", after, grams, message("steam-ice-title"), text)]
    return [Steaming("in", "steam", max(at, 0), None, message("steam-on-title"), message("steam-on"))]
