"""A course as JSON: methods, kitchens and the question of a plan. Its schema is what `plan --schema` prints."""

from datetime import datetime
from typing import TYPE_CHECKING, Annotated, Any, Literal

from pydantic import AwareDatetime, Field, StrictBool

from gentle_crust.contract.formula import FormulaBody
from gentle_crust.contract.strict import Number, Short, Strict
from gentle_crust.core.clock import Nights, Room
from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.uncertainty import Vigour
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.oven.kit import OvenKind

if TYPE_CHECKING:
    from gentle_crust.core.course.ask import Asked, Kitchen
    from gentle_crust.core.course.method import Method
    from gentle_crust.core.leaven.starter import Starter

NumberOrSpan = Number | Annotated[list[Number], Field(max_length=10)]
KNOWN_SIGMA = 0.15
"""Spread of the logarithm of the vigour of a culture whose vigour was given (practice)."""
PLENTY_G = 5000.0
GOOD_SEED_H = 14


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
    preheated: StrictBool | Literal["lid"] | None = None
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


class CourseKitchenBody(Strict):
    """A kitchen: warmth in C, sleep from and to, zone, oven, vessels and ways to steam."""

    room_day_c: Number = 22.0
    room_night_c: Number = 19.0
    fridge_c: Number = 4.0
    fridge_l: Number | None = None
    sleep: Annotated[list[Short], Field(min_length=2, max_length=2)] = ["22:30", "06:30"]
    zone: Short = "UTC"
    oven: CourseOvenBody | OvenKind = "electric"
    vessels: Annotated[list[CourseVesselBody | Short], Field(max_length=40)] = []
    steam: Annotated[list[CourseSteamBody | Short], Field(max_length=12)] | CourseSteamBody | Short | None = None
    proofer_c: Number | None = None
    outdoors_c: Number | None = None
    tap_c: Number = 15.0
    hot_tap_c: Number | None = None
    altitude_m: Number = 0.0

    def kitchen(self) -> "Kitchen":
        """As the core takes it."""
        from gentle_crust.core.course.ask import Kitchen
        from gentle_crust.core.course.baking import USUAL_MEANS
        from gentle_crust.core.course.kit_written import oven_of, steam_from, vessel_of

        oven, fired = oven_of(_plain(self.oven))
        start, end = (_hour(each, f"kitchen.sleep.{place}") for place, each in enumerate(self.sleep))
        return Kitchen(
            zone=self.zone,
            room=Room(self.room_day_c, self.room_night_c, self.fridge_c),
            nights=Nights(start, end),
            oven=oven,
            vessels=tuple(vessel_of(_plain(each)) for each in self.vessels),
            steam=USUAL_MEANS
            if self.steam is None
            else tuple(steam_from(_plain(each)) for each in _several(self.steam)),
            fired=fired,
            proofer_c=self.proofer_c,
            outdoors_c=self.outdoors_c,
            tap_c=self.tap_c,
            hot_tap_c=self.hot_tap_c,
            altitude_m=self.altitude_m,
            fridge_l=self.fridge_l,
        )


def _several(given: Any) -> list[Any]:
    """One, or several."""
    return given if isinstance(given, list) else [given]


def _plain(body: Any) -> Any:
    return body if isinstance(body, str) else body.model_dump(exclude_none=True, exclude={"preheated"})


def _hour(value: str, field: str) -> float:
    hours, _, minutes = value.partition(":")
    if not (hours.isdigit() and minutes.isdigit() and int(hours) < 24 and int(minutes) < 60):
        raise CraftError(field, "course-sleep-not-a-time", value=value)
    return int(hours) + int(minutes) / 60


class CourseCultureBody(Strict):
    """The culture: whether it was fed within a day; or its vigour (1 is usual), water, flour, and when it is ripe."""

    lively: bool | None = None
    vigour: Number | None = None
    hydration: Number | None = None
    flour: Short | None = None
    ripe_at: AwareDatetime | None = None

    def starter(self) -> "Starter | None":
        """As the core takes it; None if only lively is said."""
        from gentle_crust.core.leaven.starter import Starter

        if self.vigour is None and self.ripe_at is None and self.hydration is None and self.flour is None:
            return None
        vigour = 1.0 if self.vigour is None else self.vigour
        if not 0.02 <= vigour <= 5:
            raise CraftError("culture.vigour", "course-vigour", value=vigour)
        # A share of flour or a percentage: a culture of less than 6 % water is none.
        water = 1.0 if self.hydration is None else self.hydration
        percent = 100 * water if water <= 6 else water
        return Starter(
            id="", name="", flour_kind=self.flour or "strong_white", hydration_percent=percent, grams=PLENTY_G,
            seed_from=self.ripe_at, hungry_from=None, wake_feeds=int(self.lively is False), strength=1.0,
            vigour=Vigour(vigour, KNOWN_SIGMA),
        )  # fmt: skip


class PlanQuestion(Strict):
    """Question of `gentle-crust plan`. Without `method` and `style`: the style that suits. `ready` left out: soon."""

    formula: FormulaBody
    method: CourseMethodBody | None = None
    style: Short | None = None
    kitchen: CourseKitchenBody = Field(default_factory=lambda: CourseKitchenBody())
    culture: CourseCultureBody = Field(default_factory=lambda: CourseCultureBody())
    pieces: int | None = None
    scaling_weight_g: Number | None = None
    dough_c: Number | None = None
    now: AwareDatetime
    ready: AwareDatetime | dict[str, AwareDatetime] | None = None

    def asked(self) -> "tuple[Asked, bool]":
        """As the core takes it, and whether the style is to be chosen."""
        from gentle_crust.core.course.ask import Asked
        from gentle_crust.core.course.styles import method_for, style_of

        if self.method is not None and self.style is not None:
            raise CraftError("style", "course-style-and-method")
        formula = self.formula.formula()
        choose = self.method is None and self.style is None
        if self.method is not None:
            method = self.method.method(formula)
        else:
            method = method_for(style_of(self.style or "room_steady"), formula)
        own = sum(part.pieces for part in method.parts)
        pieces = self.pieces if self.pieces is not None else own or formula.pieces
        weight = formula.scaling_weight_g if self.scaling_weight_g is None else self.scaling_weight_g
        return Asked(
            formula=formula,
            method=method,
            kitchen=self.kitchen.kitchen(),
            pieces=pieces,
            scaling_weight_g=weight,
            dough_c=formula.dough_c if self.dough_c is None else self.dough_c,
            now=self.now,
            ready=_ready(self.ready, method),
            lively=self.culture.lively is not False,
            starter=self.culture.starter() if formula.leaven == "levain" else None,
            style=self.style or "",
        ), choose


def _ready(given: datetime | dict[str, datetime] | None, method: "Method") -> tuple[tuple[str, datetime], ...]:
    """A time for each part; one for all is each one's."""
    if given is None:
        return ()
    if isinstance(given, dict):
        return tuple(given.items())
    return tuple((name, given) for name, _ in method.paths)
