"""The oven: what there is to bake with, which way suits a loaf, and the staged bake as it goes."""

from dataclasses import asdict

import numpy as np
from flask import Response

from gentle_crust.api.common import answer, room, work
from gentle_crust.contract.oven import (
    CalibrateBody,
    ChipAnswer,
    FallingAnswer,
    FiredBody,
    KeepBakeBody,
    LearntAnswer,
    MyBakesAnswer,
    OvenAnswer,
    OvenAsideBody,
    OvenBakeAnswer,
    OvenBakeBody,
    OvenEndAnswer,
    OvenKindAnswer,
    OvenLearntAnswer,
    OvenLoafBody,
    OvenLoafSignsBody,
    OvenMethodAnswer,
    OvenMinute,
    OvenPoured,
    OvenStageBody,
    OvenTeachBody,
    OvenWayAnswer,
    OvenWaysAnswer,
    SchoolsAnswer,
    SignsAnswer,
)
from gentle_crust.contract.strict import KeyPath
from gentle_crust.core.cautions import caution
from gentle_crust.core.messages import message
from gentle_crust.core.oven.calibration import calibrate
from gentle_crust.core.oven.doneness import shade
from gentle_crust.core.oven.falling import floor_says
from gentle_crust.core.oven.kit import steam_of, vessel_heat
from gentle_crust.core.oven.learnt import doubt, said
from gentle_crust.core.oven.ranking import CRITERIA, Way, serves
from gentle_crust.core.oven.staged import may_be_heated
from gentle_crust.core.tables import rows
from gentle_crust.kitchen.oven import OvenBook, Shown
from gentle_crust.kitchen.oven_lessons import OvenLessons

oven = room("oven")
FIRST = caution("first").text
_CURVE = ("setpoint", "chamber", "vessel", "crust", "core", "vapour", "loss", "colour", "base_colour")


def _book() -> OvenBook:
    return OvenBook(work())


def _kinds(table: str, one: str, columns: tuple[str, ...]) -> list[OvenKindAnswer]:
    return [
        OvenKindAnswer(
            kind=row["kind"], name=message(f"{one}-{row['kind']}"), usual={key: float(row[key]) for key in columns}
        )
        for row in rows(table)
    ]


@oven.get("/oven", responses={200: OvenAnswer})
def kit() -> Response:
    """Kinds of ovens, vessels and steam."""
    return answer(
        OvenAnswer(
            ovens=_kinds("ovens", "oven", ("heater_w", "fan")),
            vessels=_kinds(
                "vessels", "vessel", ("base_kg", "lid_kg", "inside_l", "rated_c", "lidded", "empty_preheat")
            ),
            steam=[each for each in _kinds("steam", "steam", ("g", "at_min")) if each.kind != "none"],
            criteria=list(CRITERIA),
        )
    )


@oven.post("/oven/rank", responses={200: OvenWaysAnswer})
def ranked(body: OvenLoafBody) -> Response:
    """Every way to bake this loaf with this kit, the best first, the unfit with why."""
    ways = _book().rank(body.asked())
    return answer(OvenWaysAnswer(ways=[_way(way, ways) for way in ways]))


def _way(way: Way, ways: tuple[Way, ...]) -> OvenWayAnswer:
    made = way.drawn
    return OvenWayAnswer(
        key=way.key,
        vessel_id=way.vessel.id,
        vessel=way.vessel.name,
        preheated=way.preheated,
        steam=list(way.steam),
        steam_names=[message(f"steam-{kind}") for kind in way.steam],
        unfit=way.unfit,
        score=way.score,
        serves=serves(way, ways),
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
        poured=[
            OvenPoured(kind=each.kind, name=message(f"steam-{each.kind}"), g=each.g or 0.0, at_min=each.at_min or 0.0)
            for each in map(steam_of, asked.steam)
            if each.kind != "none"
        ],
        stages=[OvenStageBody(**asdict(stage)) for stage in asked.stages],
        usual=[OvenStageBody(**asdict(stage)) for stage in found.usual],
        preheat_min=asked.preheat.minutes,
        preheat_c=asked.preheat.setpoint_c,
        soak_min=found.soak_min,
        soak_short_k=found.soak_short_k,
        may_be_heated=list(may_be_heated(found.vessel)),
        by_wood=asked.oven.kind == "wood",
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
        load=found.load,
        touches=list(found.touches),
        dials=list(found.dials),
        cool_min=found.cool_min,
        cutting=found.cutting,
        short_k=found.short_k,
        said=found.said,
        chips=ChipAnswer.all(),
        first=FIRST,
    )


@oven.post("/oven/method", responses={200: OvenMethodAnswer})
def baked_like_this(body: OvenBakeBody) -> Response:
    """The formula's method with this bake in it, for a plan or to be kept with the formula; nothing is kept yet."""
    return answer(OvenMethodAnswer(method=_book().method(body.asked())))


@oven.post("/oven/bakes", responses={200: MyBakesAnswer})
def keep_bake(body: KeepBakeBody) -> Response:
    """A bake kept under a name as one of the baker's own; one of the same name is kept over."""
    return answer(MyBakesAnswer(bakes=list(_book().keep(body.name, body.bake.asked()).bakes)))


@oven.delete("/oven/bakes/<key>", responses={200: MyBakesAnswer})
def drop_bake(path: KeyPath) -> Response:
    """One of the baker's own bakes put away; the kitchen's earlier state has it still."""
    return answer(MyBakesAnswer(bakes=list(_book().drop(path.key).bakes)))


@oven.post("/oven/schools", responses={200: SchoolsAnswer})
def all_schools(body: OvenBakeBody) -> Response:
    """Where bakers disagree, as variants of this bake with what each changes and costs."""
    return answer(SchoolsAnswer(schools=list(_book().schools(body.asked()))))


@oven.post("/oven/signs", responses={200: SignsAnswer})
def loaf_signs(body: OvenLoafSignsBody) -> Response:
    """A loaf looked at: done, or what to do with it."""
    found = _book().signs(body.bake.asked(), body.core_c, body.colour, body.base_colour, body.out_g)
    return answer(SignsAnswer(loss=found.loss, signs=list(found.signs), done=found.done))


@oven.post("/oven/falling", responses={200: FallingAnswer})
def falling(body: FiredBody) -> Response:
    """A fired oven as it falls, and which of the formulas has its turn when."""
    found = _book().afternoon(body.fired())
    return answer(FallingAnswer(stands=list(found.stands), flour=floor_says(body.floor_c), turns=list(found.turns)))


@oven.get("/oven/learnt", responses={200: OvenLearntAnswer})
def learnt() -> Response:
    """What finished bakes have taught of the oven in use."""
    return _learnt(OvenLessons(work()))


@oven.put("/oven/learnt/<key>", responses={200: OvenLearntAnswer})
def teach(path: KeyPath, body: OvenTeachBody) -> Response:
    """Teach the oven by a loaf that was looked at; a retry adds nothing."""
    _book().teach(path.key, body.bake.asked(), (body.core_c, body.colour, body.out_g), body.baked_min)
    return _learnt(OvenLessons(work()))


@oven.put("/oven/learnt/<key>/aside", responses={200: OvenLearntAnswer})
def put_aside(path: KeyPath, body: OvenAsideBody) -> Response:
    """Put a lesson aside, or let it count again; the key is that of the press."""
    lessons = OvenLessons(work())
    (lessons.put_aside if body.aside else lessons.count_again)(path.key, body.lesson)
    return _learnt(lessons)


def _learnt(lessons: OvenLessons) -> Response:
    found = lessons.in_use()
    low, high = doubt(found)
    return answer(
        OvenLearntAnswer(
            heat_k=found.heat_k,
            heat_low_k=low,
            heat_high_k=high,
            pace=found.pace,
            bakes=found.bakes,
            said=said(found),
            lessons=list(lessons.lines()),
        )
    )


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
    return answer(LearntAnswer(**vars(found)))
