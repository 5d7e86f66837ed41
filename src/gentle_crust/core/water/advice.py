"""How warm a dough should be: by its flour, what raises it, and how fast it is wished."""

from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Literal

from gentle_crust.core.fermentation.bulk_time import bulk_time
from gentle_crust.core.fermentation.uncertainty import ONE
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.messages import Message, message

Pace = Literal["slow", "usual", "quick"]
WHEAT_LIKES_C, RYE_LIKES_C, COOL_AND_SLOW_C = (23.0, 27.0), (26.0, 30.0), 20.0
"""Warmth in which doughs do well, C: wheat, from 20 on if it may be slow, and rye (practice)."""
LEVAIN_SUFFERS_C = 30.0
_WHEAT: dict[Pace, tuple[float, float]] = {"slow": (20.0, 22.0), "usual": WHEAT_LIKES_C, "quick": (27.0, 29.0)}
_RYE: dict[Pace, tuple[float, float]] = {"slow": (24.0, 26.0), "usual": RYE_LIKES_C, "quick": (29.0, 31.0)}
_BY_CULTURE_C = 28.0
"""A wheat dough that a culture raises alone is hurried no further: it sours before it rises (practice)."""


@dataclass(frozen=True)
class Advice:
    """One pace: between what warmths, which one to aim at (C), how long bulk then takes (h), and why."""

    pace: Pace
    low_c: float
    high_c: float
    aim_c: float
    bulk_h: float | None
    why: Message


@lru_cache(maxsize=64)
def dough_advice(formula: Formula) -> tuple[Advice, ...]:
    """Advice for a formula's dough, the slow pace first.

    Parameters
    ----------
    formula : the formula, percents over all flour

    Returns
    -------
    Ranges of temperature, C, by pace, with what each does.
    """
    rye = formula.rye_rich
    found = []
    for pace, (low, high) in (_RYE if rye else _WHEAT).items():
        if pace == "quick" and not rye and formula.by_culture_alone:
            high = _BY_CULTURE_C
        aim = (low + high) / 2
        at = bulk_time(replace(formula, dough_c=aim), ONE)
        why = message(f"advice-{'rye' if rye else 'wheat'}-{pace}", culture=int(formula.by_culture_alone))
        found.append(Advice(pace, low, high, aim, at.likely_h, why))
    return tuple(found)
