"""A recipe that says what its dough weighs: the sum of its lines held against it."""

import re

from gentle_crust.core.formula.measures import Grams
from gentle_crust.core.messages import Message, message

_GRAMS = {"g": 1.0, "gram": 1.0, "kg": 1000.0, "oz": 28.349523125, "ounce": 28.349523125, "lb": 453.59237}
_STATED = re.compile(
    r"^\W{0,4}(?:total|sum|in all|altogether|all together|dough weight|makes|yields?|for)\b[^\d\n]{0,40}"
    r"(?:(?P<count>\d{1,3})\s{0,3}(?:x|\u00d7|[a-z]{3,12}\s+(?:of|at))\s{0,3}(?:about\s+)?)?"
    r"(?P<mass>\d{1,6}(?:[.,]\d{1,3})?)\s{0,3}(?P<unit>kg|g|gram|oz|ounce|lb)s?\b",
    re.IGNORECASE,
)
CLOSE = 0.03
"""Share of the sum by which rounding may put a recipe off."""


def stated_g(line: str) -> float | None:
    """Grams of dough that a line says the recipe makes ("total 1.6 kg", "makes 2 loaves of 800 g"), else None."""
    match = _STATED.match(line.strip())
    if match is None:
        return None
    mass = float(match["mass"].replace(",", ".")) * _GRAMS[match["unit"].lower()]
    return mass * int(match["count"] or 1)


def doubt(stated: float, lines: Grams) -> Message | None:
    """What to say if the lines cannot add up to what the recipe says; None if they can."""
    if lines.low * (1 - CLOSE) <= stated <= lines.high * (1 + CLOSE):
        return None
    code = "recipe-sum-more" if lines.likely > stated else "recipe-sum-less"
    return message(code, stated=stated, sum=lines.likely)
