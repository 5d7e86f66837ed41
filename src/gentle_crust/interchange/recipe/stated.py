"""What a recipe states of itself: how many pieces of what weight it makes, how wet its starter is."""

import re

from gentle_crust.interchange.recipe.figures import counted, plain
from gentle_crust.interchange.recipe.layout import Layout


def yields(layout: Layout) -> tuple[int | None, float | None]:
    """How many pieces a recipe says it makes, and of what weight (g); None where it says nothing."""
    pieces: int | None = None
    each: float | None = None
    for text in (layout.title, *(block.text for block in layout.blocks if block.kind == "note")):
        said = counted(plain(text), True)
        many = re.search(
            r"\b(\d{1,3})\s*(?:x|\u00d7)?\s*(?:\d+(?:-inch| inch| cm)\s+|\w+\s+){0,2}?(?:loaves|loaf|rolls|buns|baguettes|sticks|balls|rounds"
            r"|pieces|slippers|flat ?breads|tins?)\b|\((\d{1,3})\)|\b(\d{1,3})\s*(?:x|\u00d7)\s*\d", said, re.IGNORECASE,
        )  # fmt: skip
        weight = re.search(
            r"(?:of|at|x|\u00d7|each|dough weight|total)\s*:?\s*(?:about\s+)?(\d+(?:[.,]\d+)?)\s*(kg|g)\b",
            said,
            re.IGNORECASE,
        )
        if many is not None and pieces is None:
            pieces = max(int(many[1] or many[2] or many[3]), 1)
        if weight is not None and each is None:
            each = float(weight[1].replace(",", ".")) * (1000 if weight[2].lower() == "kg" else 1)
    return pieces, each


def starter_hydration(text: str) -> float:
    """Water over flour of the starter, as the recipe says; 1 where it says nothing."""
    match = re.search(
        r"(?:levain|starter|leaven)[^\n.%]{0,24}?\(?(\d{2,3})\s*%\s*(?:hydration|water)", text, re.IGNORECASE
    )
    return min(max(float(match[1]) / 100, 0.45), 2.0) if match else 1.0
