"""The answer of a course as JSON: stages and steps by the kitchen's clock, bakes, and what cannot be met."""

from typing import Any

from pydantic import ConfigDict, Field

from gentle_crust.contract.strict import Shown
from gentle_crust.core.course.method import HeatStage
from gentle_crust.core.formula.scaling import Stage as WeighedStage
from gentle_crust.core.messages import Message


class LikelyBand(Shown):
    """A figure with its band: 10 %, 50 % and 90 %."""

    low: float
    likely: float
    high: float


class DoughWarmth(Shown):
    """The dough's temperature as a stage begins and as it ends, C."""

    model_config = ConfigDict(defer_build=True, validate_by_name=True, serialize_by_alias=True)

    from_: float = Field(alias="from")
    to: float


class CourseStage(Shown):
    """A stage by the clock; rise and share as they are at its end; ``filled`` says why, of what was left out."""

    part: str
    number: int
    kind: str
    id: str
    place: str | None
    at: str
    ends: str
    minutes: float
    dough_c: DoughWarmth | None
    rise: LikelyBand | None
    share: LikelyBand | None
    filled: dict[str, Message]


class StepAmount(Shown):
    """What goes into the oven or comes out of it, and how much of it, g."""

    what: str
    g: float | None


class CourseStep(Shown):
    """One thing to do: a code, its stage's id, when, minutes of hands, codes of cautions, and the words."""

    part: str
    stage: str
    step: str
    number: int | None
    of: int | None
    at: str
    minutes: float
    cautions: list[str]
    amount: StepAmount | None
    text: Message


class CourseMend(Shown):
    """One change that would do: fields of the question, to be put in the place of those given."""

    text: Message
    change: dict[str, Any]


class CourseProblem(Shown):
    """What cannot be met, and one change that was tried."""

    code: str
    stage: str
    part: str
    text: Message
    mend: CourseMend | None


class BakeVessel(Shown):
    """A vessel as the simulation takes it."""

    kind: str
    preheated: bool | str
    base_kg: float | None
    lid_kg: float | None
    inside_l: float | None


class BakePreheat(Shown):
    """Heating before loading."""

    setpoint_c: float
    minutes: float
    fan: bool


class BakeSteam(Shown):
    """A way to steam."""

    kind: str
    g: float | None
    at_min: float | None


class CourseBake(Shown):
    """A bake in the form of the simulation's question and answer."""

    vessel: BakeVessel
    preheat: BakePreheat
    steam: list[BakeSteam]
    stages: list[HeatStage]
    done_min: float | None
    end: dict[str, float]


class CourseAnswer(Shown):
    """A plan."""

    begins: str
    stages: list[CourseStage]
    steps: list[CourseStep]
    out: dict[str, str]
    problems: list[CourseProblem]
    weigh: list[WeighedStage]
    bake: dict[str, CourseBake | None]


class StyleAnswer(Shown):
    """A style with its method."""

    id: str
    name: Message
    fits: list[str]
    method: dict[str, Any]


class StylesAnswer(Shown):
    """All styles, in the order in which they are taken."""

    styles: list[StyleAnswer]


class CodesAnswer(Shown):
    """Codes that a plan's answer may hold."""

    problems: list[str]
    cautions: list[str]
    steps: list[str]
