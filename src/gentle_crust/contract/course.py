"""A course as JSON: methods, kitchens and the question of a plan. Its schema is what `plan --schema` prints."""

from datetime import datetime
from typing import TYPE_CHECKING, Annotated, Any

from pydantic import AwareDatetime, Field

from gentle_crust.contract.formula import FormulaBody
from gentle_crust.contract.method import CourseMethodBody, CourseOvenBody, CourseSteamBody, CourseVesselBody
from gentle_crust.contract.strict import Number, Short, Strict
from gentle_crust.core import limits
from gentle_crust.core.clock import Nights, Room
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.fermentation.uncertainty import Vigour
from gentle_crust.core.oven.kit import OvenKind

if TYPE_CHECKING:
    from gentle_crust.core.course.ask import Asked, Kitchen
    from gentle_crust.core.course.method import Method
    from gentle_crust.core.leaven.starter import Starter

KNOWN_SIGMA = 0.15
"""Spread of the logarithm of the vigour of a culture whose vigour was given (practice)."""
PLENTY_G = 5000.0
GOOD_SEED_H = 14


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
    yeast_strength: Number = 1.0

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
            yeast_strength=within("kitchen.yeast_strength", limits.YEAST_STRENGTH, self.yeast_strength),
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
        from gentle_crust.core.course.styles import OWN, method_for, style_of
        from gentle_crust.core.formula.model import check

        if self.method is not None and self.style is not None:
            raise CraftError("style", "course-style-and-method")
        formula = self.formula.formula()
        check(formula)
        choose = self.method is None and self.style is None and formula.method is None
        if self.method is not None:
            method = self.method.method(formula)
        else:
            usual = "room_steady" if formula.method is None else OWN
            method = method_for(style_of(self.style or usual, formula), formula)
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
