"""How a dough will feel, from its hydration against what its flours carry, and the handling it asks for."""

from dataclasses import dataclass

from gentle_crust.core.formula.model import Formula
from gentle_crust.core.messages import Message, message

_FEELS = (
    (-8.0, "stiff"),
    (-2.0, "firm"),
    (6.0, "supple"),
    (14.0, "slack"),
    (22.0, "very-slack"),
    (float("inf"), "batter-like"),
)


@dataclass(frozen=True)
class Feel:
    """``word`` for the feel, the blend's ``capacity_percent``, and how gluten is developed."""

    word: Message
    capacity_percent: float
    knead: bool
    folds: int
    fold_every_min: int
    boxed: bool


def mixing_for(dough: Feel) -> str:
    """The way of mixing that a dough's feel asks for."""
    return "hand_kneading" if dough.knead else "folds"


def feel(formula: Formula) -> Feel:
    """Feel by hydration minus capacity; knead below capacity, fold from there up (practice).

    Water that soaked grains keep to themselves is not felt.
    """
    capacity = formula.blend("absorption_percent")
    over = formula.free_hydration_percent - capacity
    word = message(f"feel-{next(name for limit, name in _FEELS if over < limit)}")
    if formula.rye_rich:
        return Feel(word, capacity, knead=False, folds=0, fold_every_min=0, boxed=False)
    if over < 0:
        return Feel(word, capacity, knead=True, folds=0, fold_every_min=0, boxed=False)
    folds = 3 if over < 4 else 4 if over < 12 else 5
    return Feel(word, capacity, knead=False, folds=folds, fold_every_min=30, boxed=over >= 14)
