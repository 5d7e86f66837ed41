"""How a dough stands once it is shaped, and how firmly hands shape it."""

from gentle_crust.core.fermentation.dough import makeup_of
from gentle_crust.core.formula.model import Formula

QUICK_YEAST_PERCENT = 0.6
"""From so much instant yeast on, long loaves too are pressed out when they are shaped (practice)."""
SLOW_YEAST_PERCENT = 0.25
"""With less instant yeast than this a dough is long and open, and round loaves too are shaped gently (practice)."""
LYING = ("slipper", "flat_round")
"""Shapes that are cut or rounded, not tightened: no preshaping, no rest."""


def shaped_state(formula: Formula, group: str) -> str:
    """How the shaped dough stands, as its capacity goes by: in a tin, on a tray or lying, or free."""
    if formula.shape == "pan_loaf":
        return "tin"
    if group == "tray" or formula.shape in LYING:
        return "tray"
    return "free_standing" if formula.leaven == "levain" else "free_standing_yeasted"


def shaping_of(formula: Formula) -> str:
    """How shaping handles the dough: yeasted loaves and rolls are pressed and shaped firmly, open ones gently."""
    if formula.rye_rich or formula.shape in LYING:
        return "tip_into_tray"
    if formula.shape == "pan_loaf":
        return "tight_tin_shape"
    if formula.leaven != "yeast":
        return "gentle_shape"
    slow = QUICK_YEAST_PERCENT if formula.shape == "baguette" else SLOW_YEAST_PERCENT
    return "gentle_shape" if makeup_of(formula).yeast_percent < slow else "firm_shape"
