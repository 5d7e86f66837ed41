"""Reading dough for practice, as its page asks and shows it."""

from dataclasses import dataclass
from typing import Annotated, Literal

from pydantic import Field

from gentle_crust.contract.log import Key
from gentle_crust.contract.strict import Short, Shown, Strict
from gentle_crust.core.drill.drill import SeenSign
from gentle_crust.core.drill.vessel import Container, StandingDough
from gentle_crust.core.messages import Message
from gentle_crust.core.readiness.cues import State

Stage = Literal["bulk", "final_proof"]
Seed = Annotated[int, Field(ge=0, le=999_999_999)]


@dataclass(frozen=True)
class DrillScore:
    """How the latest doughs were read: so many ``right``, and ``near`` by one state; ``bits`` better than guessing on
    average; by how many states they were taken for ``riper`` than they were; by how much a rise in a bowl was read too
    high, percent points."""

    doughs: int
    right: int
    near: int
    bits: float | None
    riper: float | None
    eye_percent: int | None


@dataclass(frozen=True)
class Spoke:
    """A sign that spoke for how a dough was, or against it, in bits."""

    says: Message
    bits: float


@dataclass(frozen=True)
class DrillSide:
    """A dough as it is likeliest to show itself in a state."""

    state: State
    rise_percent: int
    share_percent: int
    drawn: StandingDough
    signs: tuple[SeenSign, ...]
    becomes: Message


class DrillQuery(Shown):
    """Which formula's dough, in which stage, and which lot."""

    formula: Short
    stage: Stage = "bulk"
    seed: Seed = 0


class SidesQuery(Shown):
    """Which formula's dough, in which stage."""

    formula: Short
    stage: Stage = "bulk"


class DrillAnswer(Shown):
    """A dough to be read: what is seen of it, and nothing more."""

    container: Container
    drawn: StandingDough
    signs: list[SeenSign]
    score: DrillScore


class SidesAnswer(Shown):
    """Under, ready and over."""

    sides: list[DrillSide]


class ReadBody(Strict):
    """How a dough was read; ``event``: the client's own key; ``rise_percent``: how far it was taken to have risen."""

    event: Key
    formula: Short
    stage: Stage
    seed: Seed
    state: Short
    sure: Short
    rise_percent: float | None = None


class DrillToldAnswer(Shown):
    """How it really was: what spoke for it, what it would have become, and how well it was read."""

    state: State
    rise_percent: int
    share_percent: int
    ready_percent: list[int]
    """Rises between which it would have been ready."""
    spoke: list[Spoke]
    becomes: Message
    bits: float
    given_percent: int
    """What the reading had given to how it was."""
    score: DrillScore
