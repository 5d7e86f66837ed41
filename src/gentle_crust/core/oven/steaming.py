"""What makes steam in a bake: what goes into the oven, when, how much of it, and when it comes out again."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from gentle_crust.core.oven.kit import Steam, steam_of

What = Literal["stones", "pan", "towels", "water", "ice", "spray", "steam"]
POURED_AFTER_MIN = 0.5
"""Water is poured, walls are sprayed, once the loaf is in and before the door is shut for good."""
MISTED_BEFORE_MIN = 1.0
POURING = "from the side, then the door shut at once."


@dataclass(frozen=True)
class Steaming:
    """One thing that goes in (or comes out) to make steam, minutes from loading (before it: negative).

    ``g`` of it, None where it is not weighed.
    """

    way: Literal["in", "out"]
    what: What
    minute: float
    g: float | None
    title: str
    text: str


def steaming(sources: Sequence[Steam], preheat_min: float, vent_min: float, out_min: float) -> tuple[Steaming, ...]:
    """All that goes in and comes out for ``sources``, in order of time.

    What heats with the oven goes in when it is lit, no earlier; what is still in comes out as the steam is let out at
    ``vent_min``, and with the loaf at ``out_min`` at the latest.
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
    amount = f"{{{grams:.0f}|g}}"
    after = max(at, 0) + POURED_AFTER_MIN
    if source.kind == "hot_stones_and_water":
        pour = f"{amount} of boiling water onto the stones, {POURING}"
        return [
            Steaming("in", "stones", lit, None, "Stones in", "Dry stones in their pan onto the floor rack, to heat."),
            Steaming("in", "water", after, grams, "Pour", pour),
            Steaming("out", "stones", out, None, "Stones out", "Pan and stones out, level; what is wet is scalding."),
        ]
    if source.kind == "hot_pan":
        pour = f"{amount} of boiling water into the hot pan, {POURING}"
        return [
            Steaming("in", "pan", lit, None, "Pan in", "An empty iron pan onto the floor rack, to heat."),
            Steaming("in", "water", after, grams, "Pour", pour),
            Steaming("out", "pan", out, None, "Pan out", "The pan out, held level; what is left in it is scalding."),
        ]
    if source.kind == "soaked_towels":
        return [
            Steaming(
                "in", "towels", soon, grams, "Towels in",
                f"Soaked cotton towels in a metal tray with {amount} of hot water, onto the floor rack.",
            ),
            Steaming("out", "towels", out, None, "Towels out", "Towels and their tray out, held level."),
        ]  # fmt: skip
    if source.kind == "water_pan":
        return [
            Steaming("in", "water", soon, grams, "Pan of water in", f"A pan with {amount} of hot water, lowest rack."),
            Steaming("out", "pan", out, None, "Pan of water out", "The pan out, held level: the water is scalding."),
        ]
    if source.kind == "mist_loaf":
        minute = min(at, -MISTED_BEFORE_MIN)
        return [Steaming("in", "spray", minute, grams, "Mist", "Mist the loaf, outside the oven.")]
    if source.kind == "mist_walls":
        text = "Not recommended: six sprays at the walls, never at lamp or glass."
        return [Steaming("in", "spray", after, grams, "Spray", text)]
    if source.kind == "ice_in_pot":
        text = f"Not recommended: {amount} of ice beside the loaf."
        return [Steaming("in", "ice", after, grams, "Ice", text)]
    return [Steaming("in", "steam", max(at, 0), None, "Steam on", "Steam on.")]
