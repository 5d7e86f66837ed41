"""Questions to the craft, one JSON object in, one out."""

import json
import sys
from collections.abc import Callable
from dataclasses import replace
from typing import Annotated, Any, Literal

from pydantic import AllowInfNan, BaseModel, ConfigDict, Field, TypeAdapter, ValidationError, model_validator

from gentle_crust.contract import problem
from gentle_crust.contract.course import PlanQuestion
from gentle_crust.contract.formula import FormulaBody
from gentle_crust.contract.formulas import CheckAnswer
from gentle_crust.core import limits
from gentle_crust.core.checks import Equipment, checks
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.fermentation.dough import Dough
from gentle_crust.core.fermentation.forecast import Stretch, forecast
from gentle_crust.core.formula.measures import Habits
from gentle_crust.core.formula.scaling import totals, weigh
from gentle_crust.core.plan.weigh_list import by_feel
from gentle_crust.core.readiness.advice import Pace
from gentle_crust.core.readiness.cues import STAGES, Leaven, Stage, cues_of
from gentle_crust.core.readiness.cues import Dough as JudgedDough
from gentle_crust.core.readiness.judge import Question, judge
from gentle_crust.core.readiness.prior import ShareBand
from gentle_crust.core.water.balance import Mixing
from gentle_crust.core.water.plan import Bowl, Pour, dough_from_waters, friction_of, mix_of_dough, plan_water
from gentle_crust.core.water.taps import Taps
from gentle_crust.interchange import bake_json, plan_json
from gentle_crust.interchange.bake_json import BakeInput
from gentle_crust.text.render import shown

Number = Annotated[float, AllowInfNan(False)]


class _Strict(BaseModel):
    model_config = ConfigDict(extra="forbid")


class FlourInput(_Strict):
    """Grams of one flour."""

    kind: str
    g: Number


class DoughInput(_Strict):
    """A whole batch, grams; flours and water leave out the levain's own."""

    flours: Annotated[list[FlourInput], Field(max_length=20)]
    water_g: Number
    salt_g: Number = 0
    sugar_g: Number = 0
    oil_g: Number = 0
    instant_yeast_g: Number = 0
    active_dry_yeast_g: Number = 0
    fresh_yeast_g: Number = 0
    levain_g: Number = 0
    levain_hydration: Number = 1.0

    def dough(self) -> Dough:
        """As the core takes it."""
        return TypeAdapter(Dough).validate_python(self.model_dump())


class StretchInput(_Strict):
    """Hours at one ambient temperature in one container."""

    hours: Number
    ambient_c: Number
    container: str = "covered_bowl"


class ForecastInput(_Strict):
    """Question of `gentle-crust forecast`."""

    dough: DoughInput
    start_c: Number = 25.0
    path: Annotated[list[StretchInput], Field(max_length=60)]
    rise_targets: Annotated[list[Number], Field(max_length=20)] = [0.5, 0.75, 1.0]
    pieces: int = 1


class PourInput(_Strict):
    """Grams of water at a temperature, or of ice at 0 C or below."""

    g: Number
    c: Number
    ice: bool = False


class BowlInput(_Strict):
    """The bowl: steel, glass, ceramic or plastic, its grams and its own temperature."""

    material: Literal["steel", "glass", "ceramic", "plastic"]
    g: Number
    c: Number


class WaterInput(_Strict):
    """Question of `gentle-crust water`: give target_dough_c and tap_c, or the waters that were poured."""

    dough: DoughInput
    flour_c: Number = 20.0
    room_c: Number = 20.0
    levain_c: Number | None = Field(None, description="Default: the room's")
    target_dough_c: Number | None = None
    mixing: Mixing = "hand_kneading"
    tap_c: Number | None = None
    hot_tap_c: Number | None = None
    ice_c: Number = Field(0.0, description="0 for melting ice, -18 straight from a freezer")
    altitude_m: Number = 0.0
    bowl: BowlInput | None = None
    waters: Annotated[list[PourInput], Field(max_length=20)] | None = None

    @model_validator(mode="after")
    def one_question(self) -> "WaterInput":
        """Either what is wanted, or what was poured."""
        wanted = self.target_dough_c is not None or self.tap_c is not None
        if wanted and self.waters is not None:
            raise ValueError("give target_dough_c and tap_c, or waters, not both")
        return self


def _forecast(text: str) -> dict[str, Any]:
    asked = ForecastInput.model_validate_json(text)
    path = tuple(Stretch(each.hours, each.ambient_c, each.container) for each in asked.path)
    return shown(forecast(asked.dough.dough(), asked.start_c, path, tuple(asked.rise_targets), asked.pieces))


def _water(text: str) -> dict[str, Any]:
    asked = WaterInput.model_validate_json(text)
    dough = asked.dough.dough()
    levain_c = asked.room_c if asked.levain_c is None else asked.levain_c
    mix = mix_of_dough(dough, asked.flour_c, asked.room_c, levain_c, friction_of(asked.mixing))
    if asked.bowl is not None:
        mix = replace(mix, bowl=Bowl(asked.bowl.material, asked.bowl.g, asked.bowl.c).part())
    if asked.waters is not None:
        waters = tuple(Pour(**each.model_dump()) for each in asked.waters)
        return shown(dough_from_waters(mix, waters))
    target = 25.0 if asked.target_dough_c is None else asked.target_dough_c
    tap = 15.0 if asked.tap_c is None else asked.tap_c
    return shown(plan_water(mix, target, Taps(tap, asked.hot_tap_c, asked.ice_c, asked.altitude_m)))


class HabitsInput(_Strict):
    """How the baker measures; flour and salt unknown by default, ounces of a liquid taken as either."""

    cup_ml: Number = 236.6
    flour: Literal["unknown", "spooned", "scooped"] = "unknown"
    salt: Literal["unknown", "table", "fine_sea", "flaky"] = "unknown"
    liquid_ounces: Literal["ask", "weight", "volume"] = "ask"


class WeighInput(_Strict):
    """Question of `gentle-crust weigh`: the lines of a written recipe."""

    lines: list[str]
    habits: HabitsInput = HabitsInput()


def _weigh(text: str) -> dict[str, Any]:
    from gentle_crust.interchange.recipe_text import read_recipe

    asked = WeighInput.model_validate_json(text)
    return shown(read_recipe(tuple(asked.lines), Habits(**asked.habits.model_dump())))


class FormulaInput(_Strict):
    """Question of `gentle-crust formula`: a formula in percent; pieces and weight as in it unless given."""

    formula: FormulaBody
    pieces: int | None = None
    scaling_weight_g: Number | None = None
    scale_g: Number = Field(1.0, description="The scale's step: masses below ten of it are flagged")


def _formula(text: str) -> dict[str, Any]:
    asked = FormulaInput.model_validate_json(text)
    formula = asked.formula.formula()
    pieces = formula.pieces if asked.pieces is None else asked.pieces
    each = formula.scaling_weight_g if asked.scaling_weight_g is None else asked.scaling_weight_g
    weighed = weigh(formula, pieces, each)
    found = checks(formula, weighed, Equipment(within("scale_g", limits.ANY_SCALE_G, asked.scale_g)))
    total = totals(formula, weighed.flour_g)
    feels = by_feel(formula, weighed.flour_g)
    return {
        "weighed": shown(weighed),
        "totals": [shown(each) for each in total],
        "by_feel": shown(feels) if feels else None,
        "checks": [CheckAnswer.of(each).model_dump() for each in found],
    }


class ShareInput(_Strict):
    """Share of the greatest volume: low (10 %), likely and high (90 %)."""

    low: Number
    likely: Number
    high: Number


class JudgeInput(_Strict):
    """Question of `gentle-crust judge`. Without a forecast the cues alone decide; `judge --cues` lists them."""

    stage: Stage
    dough_c: Number = 24.0
    forecast_share_of_greatest: ShareInput | None = None
    past_peak: bool | None = None
    vessel: str | None = Field(None, description="What it is baked in; default: a stone")
    rye_percent: Number = 0.0
    leaven: Leaven = Field("yeast", description="What raises it: its pace, warm and cold, is its leaven's own")
    target: Number | None = Field(None, description="The rise wanted, percent, in bulk; the core wanted, C, when baked")
    minutes_to_ready: Number | None = Field(None, description="Until it is ready, by its own forecast")
    minutes_to_over: Number | None = Field(None, description="Until it is too far, by its own forecast")
    cues: Annotated[dict[str, str | Number], Field(max_length=20)] = {}


def _judge(text: str) -> dict[str, Any]:
    asked = JudgeInput.model_validate_json(text)
    share = asked.forecast_share_of_greatest
    found = judge(
        Question(
            stage=asked.stage,
            dough=JudgedDough(asked.dough_c, asked.rye_percent, asked.leaven),
            share=None if share is None else ShareBand(share.low, share.likely, share.high),
            vessel=asked.vessel,
            past_peak=asked.past_peak,
            cues=asked.cues,
            target=asked.target,
            pace=Pace(asked.minutes_to_ready, asked.minutes_to_over),
        )
    )
    return {**shown(found), "ask_next": found.ask_next.cue if found.ask_next else None,
            "how_to_look": shown(found.ask_next.look) if found.ask_next else None}  # fmt: skip


def list_cues() -> int:
    """All stages with their cues and each cue's values."""
    print(json.dumps({stage: [shown(cue) for cue in cues_of(stage)] for stage in STAGES}, indent=2))
    return 0


QUESTIONS: dict[str, tuple[type[BaseModel], Callable[[str], dict[str, Any]]]] = {
    "bake": (BakeInput, bake_json.answer),
    "plan": (PlanQuestion, plan_json.answer),
    "judge": (JudgeInput, _judge),
    "forecast": (ForecastInput, _forecast),
    "water": (WaterInput, _water),
    "weigh": (WeighInput, _weigh),
    "formula": (FormulaInput, _formula),
}


def ask(name: str, schema: bool) -> int:
    """Answer one question from standard input; 2 and a problem on standard error for bad input."""
    model, answer = QUESTIONS[name]
    if schema:
        print(json.dumps(model.model_json_schema(), indent=2))
        return 0
    try:
        print(json.dumps(answer(sys.stdin.read())))
        return 0
    except ValidationError as error:
        found = problem.of_validation(error)
    except CraftError as error:
        found = problem.of_craft(error)
    except UnicodeDecodeError:
        found = [problem.ProblemField(field="body", sentence="The input is not UTF-8 text.", remedy="Send JSON.")]
    print(json.dumps(problem.document(422, "That cannot be reckoned", found)), file=sys.stderr)
    return 2
