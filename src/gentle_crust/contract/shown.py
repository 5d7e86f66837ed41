"""What is shown of plans, formulas and readings."""

from dataclasses import dataclass
from datetime import datetime
from typing import Literal

from gentle_crust.core.fermentation.readings import ReadingKind
from gentle_crust.core.formula.compare import Difference
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.messages import Message

PlanState = Literal["planned", "on_bench", "baked"]
Measure = Literal["percent", "line_ml", "heights_mm", "celsius", "ready"]


Question = Literal["ready", "levain", "yeast", "dough_c", "proofer_c", "before_fridge", "take_out"]


@dataclass(frozen=True)
class NextStep:
    """The next thing to do."""

    title: Message
    at: datetime


@dataclass(frozen=True)
class Version:
    """One saved state of a formula. ``changes`` are against the version before it; none for the first."""

    number: int
    name: str
    saved_at: datetime
    formula: Formula
    changes: tuple[Difference, ...]


@dataclass(frozen=True)
class TakenReading:
    """A reading as it was taken: a rise or a temperature in ``value``; ``doubt`` says why it is hard to believe."""

    id: str
    at: datetime
    kind: ReadingKind
    value: float
    sure: bool
    doubt: Message


@dataclass(frozen=True)
class PlanLine:
    """One line of the list of saved plans."""

    id: str
    formula_name: str
    pieces: int
    ready: datetime
    begins: datetime
    saved_at: datetime
    next_step: NextStep | None
    """The next thing that the plan itself asks for; None once it was started: the bench knows better then."""
    state: PlanState = "planned"
