"""What hands do with a dough, in words: they follow the loaf's shape, and its vessel only where that changes them."""

from gentle_crust.core.formula.model import Formula
from gentle_crust.core.oven.equipment import vessel_row

BASKET = "Tight without tearing, seam closed, into the floured basket seam up."
SHAPING = {
    "baguette": "Roll each out long from the middle, seam up into a fold of the floured cloth, a finger between them.",
    "slipper": "Cut, do not shape: turn each over once onto the floured cloth.",
    "flat_round": "Round up each piece, seam closed, well apart under cover; opened by hand when the oven is hot.",
    "roll": "Round each under the palm until the skin is tight, seam down, two fingers apart.",
    "pan_loaf": "Roll up tight, seam down, into the greased tin.",
    "boule": BASKET,
    "batard": BASKET,
}
ON_A_TRAY = {
    "baguette": "Roll each out long from the middle, seam down onto the lined tray, a hand apart.",
    "slipper": "Cut, do not shape: turn each over once onto the lined tray.",
    "boule": "Tight without tearing, seam down onto the lined tray.",
    "batard": "Tight without tearing, seam down onto the lined tray.",
}
RYE = "Wet hands and scraper, into the greased tin, smooth the top."
RYE_FREE = "Wet hands, round it without pressing, seam down into the well floured basket."
LOADING = {
    "slipper": "Stretch each a little as it is lifted over. ",
    "flat_round": "Open each by hand from the middle, top it if it is topped. ",
}


def shaping_words(formula: Formula, vessel: str) -> str:
    """How this loaf is shaped and where it is put to proof."""
    shape = formula.shape
    if formula.rye_rich:
        return RYE if shape == "pan_loaf" else RYE_FREE
    if vessel_row(vessel)["proof_group"] == "tray":
        return ON_A_TRAY.get(shape, SHAPING[shape])
    return SHAPING[shape]


def divide_title(shape: str) -> str:
    """What the step between bulk and proof is called where it is all one."""
    return {"slipper": "Cut the pieces", "flat_round": "Divide and round up"}.get(shape, "Divide and shape")


def shape_title(shape: str) -> str:
    """What shaping after a bench rest is called."""
    return {"baguette": "Roll out", "roll": "Round up"}.get(shape, "Shape")


def loading_words(shape: str, vessel: str) -> str:
    """What hands do with this shape as it goes in; empty if there is nothing to say."""
    kind = vessel_row(vessel)
    if kind["proof_group"] == "hot_pot":
        return "Lower it in on its paper or sling. "
    if shape == "baguette" and kind["proof_group"] == "stone":
        return "Turn each from the cloth onto a board, slide it off. "
    return LOADING.get(shape, "")
