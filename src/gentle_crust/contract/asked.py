"""What a plan is asked for, as it is kept."""

from dataclasses import dataclass
from typing import Any, Literal

from gentle_crust.core.fermentation.targets import School
from gentle_crust.core.learning.learnt import LearntHere


@dataclass(frozen=True)
class Asked:
    """What a baker asks for. Whatever is left out comes from the formula and the kitchen.

    ``ready`` is the kitchen's wall-clock time, 2026-11-29T07:30; temperatures C; sleep HH:MM.
    """

    formula_id: str
    version: int | None = None
    """The formula's version that the plan is made with; without one, the newest."""
    pieces: int | None = None
    scaling_weight_g: float | None = None
    ready: str | None = None
    ready_parts: dict[str, str] | None = None
    """When parts of their own leave the oven or can be cut, by their names; one that is left out follows the first."""
    ready_means: Literal["out", "cut"] = "out"
    style: str | None = None
    """The style that it is made in; without one, and without a method, the one that suits the formula."""
    method: dict[str, Any] | None = None
    """A method of the baker's own, in place of a style."""
    vessel_id: str | None = None
    dough_c: float | None = None
    culture: Literal["lively", "hungry"] = "lively"
    fridge_days: int = 0
    """Days that it waits in the fridge beyond what its style has."""
    school: School = "by_dough"
    folds: int | None = None
    later_pieces: int = 0
    later_days: int = 1
    levain_percent: float | None = None
    """Prefermented flour of the levain, if other than the formula's; flour and water stay as they are overall."""
    yeast_supplement_percent: float = 0.0
    """Instant yeast beside the levain, percent of all flour."""
    yeast_percent: float | None = None
    """Yeast in the dough, percent of all flour, if other than the formula's."""
    yeast_strength: float | None = None
    """The dry yeast's gas beside that of fresh stock, by its last test when this was asked; none: not tested."""
    stand_c: float | None = None
    """A warm or cool place in which levain, bulk and proof stand instead of the kitchen, C."""
    culture_id: str | None = None
    """The culture that the levain is built from; empty: none of the baker's own, as ``culture`` says."""
    room_day_c: float | None = None
    room_night_c: float | None = None
    fridge_c: float | None = None
    tap_c: float | None = None
    learnt: LearntHere | None = None
    """What this kitchen's bakes had taught when this was asked; none: nothing."""
    mind: str | None = None
    """What its baker wants to mind this time, in words."""
    sleep_from: str | None = None
    sleep_to: str | None = None
    zone: str | None = None
