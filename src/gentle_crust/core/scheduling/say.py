"""Quantities in sentences, left for whoever shows them to put in the baker's own units."""

from gentle_crust.core.oven.steaming import Steaming


def c(value: float) -> str:
    """A temperature."""
    return f"{{{value:.1f}|c}}"


def g(value: float) -> str:
    """A mass."""
    return f"{{{value:.2f}|g}}"


def clock(iso: str) -> str:
    """An instant."""
    return f"{{{iso}|clock}}"


def duration(minutes: float) -> str:
    """Minutes as a baker says them."""
    whole = round(minutes)
    hours, rest = divmod(whole, 60)
    if not hours:
        return f"{rest} min"
    return f"{hours} h {rest} min" if rest else f"{hours} h"


def together(words: list[str]) -> str:
    """Words as a list in a sentence."""
    return words[0] if len(words) == 1 else ", ".join(words[:-1]) + " and " + words[-1]


def lower(title: str) -> str:
    """A title within a sentence."""
    return title[0].lower() + title[1:]


CUT_EARLY = {
    True: "Rye cut the same day smears: its crumb is still setting.",
    False: "Cut hot, the crumb tears and stays gummy, and the loaf goes stale sooner.",
}
"""What cutting early does, to rye bread and to other; the steps of a plan are not said by code yet."""


STEAMING = {
    "steam-stones-in": ("Stones in", "Dry stones in their pan onto the floor rack, to heat."),
    "steam-stones-pour": ("Pour", "{g} of boiling water onto the stones, from the side, then the door shut at once."),
    "steam-stones-out": ("Stones out", "Pan and stones out, level; what is wet is scalding."),
    "steam-pan-in": ("Pan in", "An empty iron pan onto the floor rack, to heat."),
    "steam-pan-pour": ("Pour", "{g} of boiling water into the hot pan, from the side, then the door shut at once."),
    "steam-pan-out": ("Pan out", "The pan out, held level; what is left in it is scalding."),
    "steam-towels-in": (
        "Towels in", "Soaked cotton towels in a metal tray with {g} of hot water, onto the floor rack."
    ),
    "steam-towels-out": ("Towels out", "Towels and their tray out, held level."),
    "steam-water-in": ("Pan of water in", "A pan with {g} of hot water, lowest rack."),
    "steam-water-out": ("Pan of water out", "The pan out, held level: the water is scalding."),
    "steam-mist": ("Mist", "Mist the loaf, outside the oven."),
    "steam-spray": ("Spray", "Not recommended: six sprays at the walls, never at lamp or glass."),
    "steam-ice": ("Ice", "Not recommended: {g} of ice beside the loaf."),
    "steam-on": ("Steam on", "Steam on."),
}  # fmt: skip
"""Title and text of a step of steaming: the steps of a plan are not said by code yet."""


def steamed(each: Steaming) -> tuple[str, str]:
    """Title and text of a step of steaming."""
    title, text = STEAMING[each.text.code]
    return title, text.replace("{g}", f"{{{each.g or 0:.0f}|g}}")
