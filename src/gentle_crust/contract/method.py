"""A method as JSON: stages in their order, and parts where pieces go different ways; with the kit that they name."""

from typing import TYPE_CHECKING, Annotated, Literal

from pydantic import Field, StrictBool

from gentle_crust.contract.strict import Number, Short, Strict
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.oven.kit import OvenKind

if TYPE_CHECKING:
    from gentle_crust.core.course.method import Method

NumberOrSpan = Number | Annotated[list[Number], Field(max_length=10)]


class CourseUntilBody(Strict):
    """What ends a stage that waits: exactly one of these. `minutes` and `hours` take a number or least and most."""

    rise: Number | None = None
    share: Number | None = None
    minutes: NumberOrSpan | None = None
    hours: NumberOrSpan | None = None
    dough_c: Number | None = None
    at: Short | None = None


class CourseFoldsBody(Strict):
    """Sets of folds of one kind: stretch, bowl, coil or letter."""

    kind: Short = "stretch"
    count: int
    first_min: Number | None = None
    gap_min: NumberOrSpan | None = None


class CoursePathBody(Strict):
    """Hours at one warmth."""

    hours: Number
    ambient_c: Number


class CourseHeatStageBody(Strict):
    """Minutes of a bake at a set point (C; 0: oven off), and what is done as it begins."""

    minutes: Number
    setpoint_c: Number
    covered: bool = False
    fan: bool = False
    door: Literal["shut", "ajar"] = "shut"
    grill: bool = False
    turn: bool = False
    swap: bool = False
    out_of_tin: bool = False


class CourseDoneBody(Strict):
    """What is wanted of a bake: core (C), colour (0-100), loss (share of the dough); each may be left out."""

    core_c: Number | None = None
    colour: Number | None = None
    loss_fraction: Number | None = None


class CourseFiredBody(Strict):
    """A wood-fired oven as it is loaded: floor and dome (C), and how long it stood after raking out."""

    floor_c: Number
    dome_c: Number
    soaked_min: Number = 0.0


class CourseOvenBody(Strict):
    """An oven."""

    kind: OvenKind = "electric"
    name: Short | None = None
    heater_w: Number | None = None
    heat_up_min: Number | None = None
    volume_l: Number | None = None
    offset_k: Number | None = None
    top_c: Number | None = None
    shelves: int | None = None
    shelf_cm2: Number | None = None
    hot_side: Literal["", "left", "right", "back", "front"] | None = None
    fired: CourseFiredBody | None = None


class CourseVesselBody(Strict):
    """A vessel; `count` left out: as many as are needed. `preheated` is read for its kind's sake and means nothing."""

    kind: Short
    id: Short | None = None
    name: Short | None = None
    count: int | None = None
    preheated: StrictBool | Literal["lid", "hob"] | None = None
    base_kg: Number | None = None
    lid_kg: Number | None = None
    inside_l: Number | None = None
    rated_c: Number | None = None
    knob_c: Number | None = None
    heats_empty: bool | None = None


class CourseSteamBody(Strict):
    """A way to steam: grams of water and minutes from loading; left out, the usual."""

    kind: Short
    g: Number | None = None
    at_min: Number | None = None


class CourseStageBody(Strict):
    """One stage. Work has `minutes`, waiting has `until`; what is left out is filled."""

    kind: Short
    id: Short | None = None
    minutes: NumberOrSpan | None = None
    until: CourseUntilBody | Literal["ready", "ripe", "judged"] | None = None
    place: Short | None = None
    shelf: Short | None = None
    path: Annotated[list[CoursePathBody], Field(max_length=20)] | None = None
    container: Short | None = None
    covered: bool | None = None
    folds: Annotated[list[CourseFoldsBody], Field(max_length=6)] | None = None
    fold: Short | None = None
    count: int | None = None
    by: Short | None = None
    order: Annotated[list[Short], Field(max_length=20)] | None = None
    late: Annotated[list[Short], Field(max_length=20)] | None = None
    with_: Short | None = Field(None, alias="with")
    which: int | None = None
    oven: CourseOvenBody | OvenKind | None = None
    vessel: CourseVesselBody | Short | None = None
    heated: Short | None = None
    preheat_min: Number | None = None
    steam: Annotated[list[CourseSteamBody | Short], Field(max_length=6)] | CourseSteamBody | Short | None = None
    stages: Annotated[list[CourseHeatStageBody], Field(min_length=1, max_length=12)] | None = None
    done: CourseDoneBody | None = None


class CoursePartBody(Strict):
    """Pieces that go their own way from the end of the trunk on."""

    name: Short
    pieces: int | None = None
    stages: Annotated[list[CourseStageBody], Field(max_length=500)] = []


class CourseMethodBody(Strict):
    """A method: stages in their order, and parts where pieces go different ways."""

    stages: Annotated[list[CourseStageBody], Field(max_length=500)] = []
    parts: Annotated[list[CoursePartBody], Field(max_length=40)] = []

    def method(self, formula: Formula) -> "Method":
        """As the core takes it."""
        from gentle_crust.core.course.written import method_of  # what plans is loaded when it is wanted

        return method_of(self.model_dump(by_alias=True, exclude_none=True), formula)
