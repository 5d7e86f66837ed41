"""The water: for any formula, the other way round, what mixing adds here, and dry yeast tested."""

from flask import Response

from gentle_crust.api.common import answer, room, work
from gentle_crust.contract.strict import KeyPath
from gentle_crust.contract.water import (
    BatchBody,
    FoamBody,
    FrictionsAnswer,
    MeasuredBody,
    PouredAnswer,
    PouredBody,
    WaterBody,
    WaterPanelAnswer,
    YeastTestAnswer,
)
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.formula.scaling import weigh
from gentle_crust.core.formula.yeast_test import SUGAR_G, WATER_C, WATER_G, YEAST_G
from gentle_crust.core.water.advice import dough_advice
from gentle_crust.core.water.balance import Mix
from gentle_crust.core.water.friction import Friction
from gentle_crust.core.water.mixing import MADE_WITH_A_MOTOR, USUAL_MIN, Work
from gentle_crust.core.water.plan import (
    Bowl,
    Pour,
    dough_from_waters,
    mix_of_formula,
    mixing_adds,
    plan_water,
    usual_friction,
)
from gentle_crust.core.water.taps import Taps, kettle_c
from gentle_crust.kitchen.formulas import FormulaBook
from gentle_crust.kitchen.mixes import MixBook

water = room("water")


def _mix(body: BatchBody) -> tuple[Mix, Friction, Formula]:
    book = FormulaBook(work())
    formula = book.get(body.formula_id).formula
    if body.version is not None:
        formula = book.version(body.formula_id, body.version, "version").formula
    pieces = formula.pieces if body.pieces is None else body.pieces
    weight = formula.scaling_weight_g if body.scaling_weight_g is None else body.scaling_weight_g
    weighed = weigh(formula, pieces, weight)
    friction = next(each for each in MixBook(work()).frictions() if each.mixing == body.mixing)
    bowl = Bowl(**body.bowl.model_dump()) if body.bowl else None
    temperatures = (body.flour_c, body.room_c, body.levain_c)
    work_ = Work(body.mixing, body.mixing_min, body.speed, friction.k)
    return mix_of_formula(formula, weighed, *temperatures, work_, bowl), friction, formula


@water.post("/water", responses={200: WaterPanelAnswer})
def set_water(body: WaterBody) -> Response:
    """Water for a dough temperature, from the taps, kettle and ice that there are."""
    mix, friction, formula = _mix(body)
    taps = Taps(body.tap_c, body.hot_tap_c, body.ice_c, body.altitude_m)
    found = plan_water(mix, body.target_dough_c, taps)
    return answer(
        WaterPanelAnswer(
            water=found,
            water_g=mix.water_g,
            kettle_c=kettle_c(body.altitude_m),
            friction=friction,
            mixing_min=USUAL_MIN[body.mixing],
            has_speed=body.mixing in MADE_WITH_A_MOTOR,
            mixed_k=mixing_adds(found, mix),
            advice=list(dough_advice(formula)),
        )
    )


@water.post("/water/poured", responses={200: PouredAnswer})
def poured_waters(body: PouredBody) -> Response:
    """The dough that some waters will give."""
    mix, friction, _ = _mix(body)
    return answer(PouredAnswer(poured=dough_from_waters(mix, _pours(body)), friction=friction))


def _pours(body: PouredBody) -> tuple[Pour, ...]:
    return tuple(Pour(**each.model_dump()) for each in body.waters)


@water.put("/mixes/<key>", responses={200: FrictionsAnswer})
def measured(path: KeyPath, body: MeasuredBody) -> Response:
    """A dough that was mixed and measured: what mixing adds here is learnt from it. A retry adds nothing."""
    mix, _, _ = _mix(body)
    k = usual_friction(mix, _pours(body), body.dough_c, Work(body.mixing, body.mixing_min, body.speed))
    book = MixBook(work())
    book.log(path.key, body.mixing, k, body.model_dump(mode="json"))
    return answer(FrictionsAnswer(frictions=list(book.frictions())))


@water.get("/mixes", responses={200: FrictionsAnswer})
def frictions() -> Response:
    """What each way of mixing adds here, and on how many mixes that rests."""
    return answer(FrictionsAnswer(frictions=list(MixBook(work()).frictions())))


@water.get("/yeast-test", responses={200: YeastTestAnswer})
def yeast_test() -> Response:
    """The glass to stir, and the last test of dry yeast."""
    return _test_answer(MixBook(work()))


@water.put("/yeast-test/<key>", responses={200: YeastTestAnswer})
def begin_yeast_test(path: KeyPath) -> Response:
    """The yeast is stirred in: its time runs from now."""
    book = MixBook(work())
    book.begin_test(path.key)
    return _test_answer(book)


@water.put("/yeast-test/<key>/foam", responses={200: YeastTestAnswer})
def read_yeast_test(path: KeyPath, body: FoamBody) -> Response:
    """What the glass shows, and whether the yeast is alive; the key is that of the reading."""
    book = MixBook(work())
    book.read_test(path.key, body.foam, body.minutes)
    return _test_answer(book)


@water.put("/yeast-test/<key>/new-pack", responses={200: YeastTestAnswer})
def open_yeast_pack(path: KeyPath) -> Response:
    """A new pack of dry yeast was opened: the last test no longer counts."""
    book = MixBook(work())
    book.open_pack(path.key)
    return _test_answer(book)


def _test_answer(book: MixBook) -> Response:
    return answer(
        YeastTestAnswer(water_g=WATER_G, water_c=WATER_C, sugar_g=SUGAR_G, yeast_g=YEAST_G, test=book.last_test())
    )
