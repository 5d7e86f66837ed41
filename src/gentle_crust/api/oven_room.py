"""The oven: what there is to bake with, which way suits a loaf, and the staged bake as it goes."""

from dataclasses import asdict
from typing import Annotated, Literal

import numpy as np
from flask import Response
from flask_openapi import APIBlueprint, Tag
from pydantic import BaseModel, Field

from gentle_crust.api.common import answer, work
from gentle_crust.api.schemas import Number, Short, Strict
from gentle_crust.core.cautions import caution
from gentle_crust.core.oven.calibration import calibrate
from gentle_crust.core.oven.doneness import SHADES, Lag, Sign, shade
from gentle_crust.core.oven.hazards import Hazard
from gentle_crust.core.oven.kit import Stage, vessel_heat
from gentle_crust.core.oven.loads import Load
from gentle_crust.core.oven.ranking import CRITERIA, Point, Way
from gentle_crust.core.oven.schools import School
from gentle_crust.core.oven.staged import Done
from gentle_crust.core.oven.steps import Touch
from gentle_crust.core.tables import rows
from gentle_crust.kitchen.oven import AskedBake, AskedLoaf, OvenBook, Shown

oven = APIBlueprint("oven", __name__, url_prefix="/api", abp_tags=[Tag(name="oven")])
FIRST = caution("first").text
_CURVE = ("setpoint", "chamber", "vessel", "crust", "core", "vapour", "loss", "colour", "base_colour")


class OvenLoafBody(Strict):
    """A formula's loaf; pieces and grams are the formula's unless given; cold: straight from the fridge."""

    formula_id: Short
    pieces: Annotated[int, Field(ge=1, le=60)] | None = None
    piece_g: Number | None = None
    cold: bool = True
    wish: Literal["usual", "thin", "thick", "soft", "tall", "many", "tidy"] = "usual"

    def asked(self) -> AskedLoaf:
        """As the kitchen takes it."""
        return AskedLoaf(**self.model_dump())


class OvenStageBody(Strict):
    """Minutes at a set point, C (0: oven off); covered or steaming; fan."""

    minutes: Number
    setpoint_c: Number
    covered: bool = False
    fan: bool = False


class OvenBakeBody(Strict):
    """One way for a loaf; preheating, steam and stages are drawn up unless given."""

    loaf: OvenLoafBody
    vessel_id: Short
    preheated: Literal["whole", "lid", "none"] | None = None
    steam: Annotated[list[Short], Field(max_length=6)] | None = None
    stages: Annotated[list[OvenStageBody], Field(max_length=12)] = []
    preheat_min: Number | None = None

    def asked(self) -> AskedBake:
        """As the kitchen takes it."""
        return AskedBake(
            self.loaf.asked(),
            self.vessel_id,
            self.preheated,
            None if self.steam is None else tuple(self.steam),
            tuple(Stage(**stage.model_dump()) for stage in self.stages),
            self.preheat_min,
        )


class OvenKindAnswer(BaseModel):
    """A kind of oven, vessel or steam by its name, and what it commonly is."""

    kind: str
    name: str
    usual: dict[str, float]


class OvenAnswer(BaseModel):
    """What can be had: kinds of ovens, vessels and steam with their usual sizes; the criteria of a ranking."""

    ovens: list[OvenKindAnswer]
    vessels: list[OvenKindAnswer]
    steam: list[OvenKindAnswer]
    criteria: list[str]


class OvenWayAnswer(BaseModel):
    """One way: how it scores and why, or why it is unfit."""

    key: str
    vessel_id: str
    vessel: str
    preheated: str
    steam: list[str]
    steam_names: list[str]
    unfit: str
    score: float
    points: list[Point]
    minutes: int
    all_min: int
    loads: int
    heating_min: int
    colour: float


class OvenWaysAnswer(BaseModel):
    """All ways, the best first."""

    ways: list[OvenWayAnswer]


class OvenMinute(BaseModel):
    """One minute of a bake; C, shares, and indices of 0-100."""

    min: float
    setpoint: float
    chamber: float
    vessel: float
    crust: float
    core: float
    vapour: float
    loss: float
    colour: float
    base_colour: float


class OvenEndAnswer(BaseModel):
    """The loaf as it comes out."""

    core_c: float
    colour: float
    base_colour: float
    loss: float
    crust_mm: float
    spring: float
    shade: str


class ChipAnswer(BaseModel):
    """A colour to hold a crust against: its word and its index, 0-100."""

    shade: str
    colour: float


class OvenBakeAnswer(BaseModel):
    """A bake drawn up or altered, and how it goes."""

    vessel_id: str
    vessel: str
    preheated: str
    steam: list[str]
    stages: list[OvenStageBody]
    usual: list[OvenStageBody]
    preheat_min: float
    preheat_c: float
    soak_min: int
    soak_short_k: float
    lidded: bool
    curve: list[OvenMinute]
    done: Done
    done_min: float | None
    lag: Lag
    end: OvenEndAnswer
    hazards: list[Hazard]
    loads: list[Load]
    touches: list[Touch]
    dials: list[str]
    cool_min: int
    cutting: str
    short_k: float
    said: str
    chips: list[ChipAnswer]
    first: str


class SchoolsAnswer(BaseModel):
    """The schools on this bake."""

    schools: list[School]


class HeatUpBody(Strict):
    """The thermometer at a minute of an empty heat-up."""

    min: Number
    c: Number


class OvenDialBody(Strict):
    """Where the dial stood, and what the thermometer read once it had settled."""

    set_c: Number
    read_c: Number


class CalibrateBody(Strict):
    """What was measured."""

    kind: Literal["electric", "electric_fan", "gas", "built_in_steam", "wood"]
    volume_l: Annotated[float, Field(ge=10, le=400)]
    heat_up: Annotated[list[HeatUpBody], Field(max_length=60)] = []
    dial: Annotated[list[OvenDialBody], Field(max_length=20)] = []
    browned: Literal["", "left", "right", "back", "front"] = ""


class LearntAnswer(BaseModel):
    """What was learnt; null: not measured."""

    heater_w: float | None
    heat_up_min: float | None
    offset_k: float | None
    hot_side: str
    said: list[str]


class OvenLoafSignsBody(Strict):
    """A loaf as it stands there: core C, colours 0-100 by the chips, grams out of the oven."""

    bake: OvenBakeBody
    core_c: Number | None = None
    colour: Number | None = None
    base_colour: Number | None = None
    out_g: Number | None = None


class SignsAnswer(BaseModel):
    """What to do with it; nothing: it is done."""

    loss: float | None
    signs: list[Sign]
    done: Done


def _book() -> OvenBook:
    return OvenBook(work())


def _kinds(table: str, columns: tuple[str, ...]) -> list[OvenKindAnswer]:
    return [
        OvenKindAnswer(kind=row["kind"], name=row["name"], usual={key: float(row[key]) for key in columns})
        for row in rows(table)
    ]


@oven.get("/oven", responses={200: OvenAnswer})
def kit() -> Response:
    """Kinds of ovens, vessels and steam."""
    return answer(
        OvenAnswer(
            ovens=_kinds("ovens", ("heater_w", "fan")),
            vessels=_kinds("vessels", ("base_kg", "lid_kg", "inside_l", "rated_c", "lidded", "empty_preheat")),
            steam=[each for each in _kinds("steam", ("g", "at_min")) if each.kind != "none"],
            criteria=list(CRITERIA),
        )
    )


@oven.post("/oven/rank", responses={200: OvenWaysAnswer})
def ranked(body: OvenLoafBody) -> Response:
    """Every way to bake this loaf with this kit, the best first, the unfit with why."""
    return answer(OvenWaysAnswer(ways=[_way(way) for way in _book().rank(body.asked())]))


def _way(way: Way) -> OvenWayAnswer:
    names = {row["kind"]: row["name"] for row in rows("steam")}
    made = way.drawn
    return OvenWayAnswer(
        key=way.key,
        vessel_id=way.vessel.id,
        vessel=way.vessel.name,
        preheated=way.preheated,
        steam=list(way.steam),
        steam_names=[names[kind] for kind in way.steam],
        unfit=way.unfit,
        score=way.score,
        points=list(way.points),
        minutes=round(made.bake.minutes) if made else 0,
        all_min=way.all_min,
        loads=way.loads,
        heating_min=round(made.bake.preheat.minutes) if made else 0,
        colour=made.baked.end("colour") if made else 0,
    )


@oven.post("/oven/bake", responses={200: OvenBakeAnswer})
def one_bake(body: OvenBakeBody) -> Response:
    """One way drawn up, or as altered, simulated from the first minute of heating to the last in the oven."""
    return answer(_shown(_book().bake(body.asked())))


def _shown(found: Shown) -> OvenBakeAnswer:
    asked, went = found.question, found.baked
    first = -int(asked.preheat.minutes)
    minutes = np.unique(np.append(np.arange(first, int(asked.minutes) + 1), asked.minutes)).astype(float)
    lines = {name: np.interp(minutes, went.minutes, getattr(went, name)) for name in _CURVE}
    return OvenBakeAnswer(
        vessel_id=found.vessel.id,
        vessel=found.vessel.name,
        preheated=asked.vessel.preheated,
        steam=[each.kind for each in asked.steam],
        stages=[OvenStageBody(**asdict(stage)) for stage in asked.stages],
        usual=[OvenStageBody(**asdict(stage)) for stage in found.usual],
        preheat_min=asked.preheat.minutes,
        preheat_c=asked.preheat.setpoint_c,
        soak_min=found.soak_min,
        soak_short_k=found.soak_short_k,
        lidded=vessel_heat(asked.vessel.kind).lid_kg > 0,
        curve=[
            OvenMinute(min=round(float(minute), 2), **{name: round(float(lines[name][i]), 3) for name in _CURVE})
            for i, minute in enumerate(minutes)
        ],
        done=found.done,
        done_min=found.done.minute,
        lag=found.lag,
        end=OvenEndAnswer(
            core_c=went.end("core"),
            colour=went.end("colour"),
            base_colour=went.end("base_colour"),
            loss=went.end("loss"),
            crust_mm=went.end("crust_mm"),
            spring=went.end("spring"),
            shade=shade(went.end("colour")),
        ),
        hazards=list(found.hazards),
        loads=list(found.loads),
        touches=list(found.touches),
        dials=list(found.dials),
        cool_min=found.cool_min,
        cutting=found.cutting,
        short_k=found.short_k,
        said=found.said,
        chips=[ChipAnswer(shade=word, colour=colour) for _, word, colour in SHADES],
        first=FIRST,
    )


@oven.post("/oven/schools", responses={200: SchoolsAnswer})
def all_schools(body: OvenBakeBody) -> Response:
    """Where bakers disagree, as variants of this bake with what each changes and costs."""
    return answer(SchoolsAnswer(schools=list(_book().schools(body.asked()))))


@oven.post("/oven/signs", responses={200: SignsAnswer})
def loaf_signs(body: OvenLoafSignsBody) -> Response:
    """A loaf looked at: done, or what to do with it."""
    found = _book().signs(body.bake.asked(), body.core_c, body.colour, body.base_colour, body.out_g)
    return answer(SignsAnswer(loss=found.loss, signs=list(found.signs), done=found.done))


@oven.post("/oven/calibrate", responses={200: LearntAnswer})
def learn(body: CalibrateBody) -> Response:
    """An oven learnt from an empty heat-up, a thermometer against the dial, and slices that browned."""
    found = calibrate(
        body.kind,
        body.volume_l,
        [(each.min, each.c) for each in body.heat_up],
        [(each.set_c, each.read_c) for each in body.dial],
        body.browned,
    )
    return answer(LearntAnswer(**asdict(found)))
