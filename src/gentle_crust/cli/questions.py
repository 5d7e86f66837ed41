"""Questions to the craft, one JSON object in, one out."""

import json
import sys
from collections.abc import Callable
from dataclasses import replace
from typing import Annotated, Any, Literal

from pydantic import BaseModel, Field, ValidationError, model_validator

from gentle_crust.contract import problem
from gentle_crust.contract.course import PlanQuestion
from gentle_crust.contract.diagnosis import Fault, RecordInput
from gentle_crust.contract.formula import FormulaBody
from gentle_crust.contract.formulas import CheckAnswer
from gentle_crust.core import limits
from gentle_crust.core.checks import Equipment, checks
from gentle_crust.core.diagnosis.diagnose import diagnose
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.fermentation.capacity import reach_of
from gentle_crust.core.formula.measures import Habits
from gentle_crust.core.formula.scaling import totals, weigh
from gentle_crust.core.plan.weigh_list import by_feel
from gentle_crust.core.readiness.advice import Pace
from gentle_crust.core.readiness.cues import STAGES, Leaven, Stage, cues_of
from gentle_crust.core.readiness.cues import Dough as JudgedDough
from gentle_crust.core.readiness.judge import Question, judge
from gentle_crust.core.readiness.prior import ShareBand
from gentle_crust.core.water.mixing import Mixing, Speed, Work
from gentle_crust.core.water.plan import Bowl, Pour, dough_from_waters, mix_of_dough, plan_water
from gentle_crust.core.water.taps import Taps
from gentle_crust.interchange import bake_json, choose_json, dough_json, plan_json
from gentle_crust.interchange.bake_json import BakeInput
from gentle_crust.interchange.diagnosis_json import told as told_diagnosis
from gentle_crust.interchange.dough_json import DoughInput, FlourShareInput, Number, Strict
from gentle_crust.text.render import shown


class PourInput(Strict):
    """Grams of water at a temperature, or of ice at 0 C or below."""

    g: Number
    c: Number
    ice: bool = False


class BowlInput(Strict):
    """The bowl: steel, glass, ceramic or plastic, its grams and its own temperature."""

    material: Literal["steel", "glass", "ceramic", "plastic"]
    g: Number
    c: Number


class WaterInput(Strict):
    """Question of `gentle-crust water`: give target_dough_c and tap_c, or the waters that were poured."""

    dough: DoughInput
    flour_c: Number = 20.0
    room_c: Number = 20.0
    levain_c: Number | None = Field(None, description="Default: the room's")
    target_dough_c: Number | None = None
    mixing: Mixing = "hand_kneading"
    mixing_min: Number | None = Field(None, description="Default: the usual minutes of that way of mixing")
    speed: Speed = "usual"
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


def _water(text: str) -> dict[str, Any]:
    asked = WaterInput.model_validate_json(text)
    dough = asked.dough.dough()
    levain_c = asked.room_c if asked.levain_c is None else asked.levain_c
    work = Work(asked.mixing, asked.mixing_min, asked.speed)
    mix = mix_of_dough(dough, asked.flour_c, asked.room_c, levain_c, work)
    if asked.bowl is not None:
        mix = replace(mix, bowl=Bowl(asked.bowl.material, asked.bowl.g, asked.bowl.c).part())
    if asked.waters is not None:
        waters = tuple(Pour(**each.model_dump()) for each in asked.waters)
        return shown(dough_from_waters(mix, waters))
    target = 25.0 if asked.target_dough_c is None else asked.target_dough_c
    tap = 15.0 if asked.tap_c is None else asked.tap_c
    return shown(plan_water(mix, target, Taps(tap, asked.hot_tap_c, asked.ice_c, asked.altitude_m)))


class HabitsInput(Strict):
    """How the baker measures; flour and salt unknown by default, ounces of a liquid taken as either."""

    cup_ml: Number = 236.6
    flour: Literal["unknown", "spooned", "scooped"] = "unknown"
    salt: Literal["unknown", "table", "fine_sea", "flaky"] = "unknown"
    liquid_ounces: Literal["ask", "weight", "volume"] = "ask"


class WeighInput(Strict):
    """Question of `gentle-crust weigh`: the lines of a written recipe."""

    lines: list[str]
    habits: HabitsInput = HabitsInput()


def _weigh(text: str) -> dict[str, Any]:
    from gentle_crust.interchange.recipe.weigh import read_recipe

    asked = WeighInput.model_validate_json(text)
    return shown(read_recipe(tuple(asked.lines), Habits(**asked.habits.model_dump())))


class RecipeInput(Strict):
    """Question of `gentle-crust recipe`: a written recipe as it is pasted, and how this baker measures."""

    text: str
    habits: HabitsInput = HabitsInput()


def _recipe(text: str) -> dict[str, Any]:
    from gentle_crust.interchange.recipe.whole import read
    from gentle_crust.interchange.recipe_json import told

    asked = RecipeInput.model_validate_json(text)
    return told(read(asked.text, Habits(**asked.habits.model_dump())))


class DiagnoseInput(Strict):
    """Question of `gentle-crust diagnose`: what was logged of a bake, and the faults seen; all may be left out."""

    record: RecordInput = RecordInput()
    seen: Annotated[list[Fault], Field(max_length=12)] = []
    not_seen: Annotated[list[Fault], Field(max_length=27)] = []


def _diagnose(text: str) -> dict[str, Any]:
    asked = DiagnoseInput.model_validate_json(text)
    return told_diagnosis(diagnose(asked.record.record(), tuple(asked.seen), tuple(asked.not_seen)))


class FormulaInput(Strict):
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


class ShareInput(Strict):
    """Share of the greatest volume: low (10 %), likely and high (90 %)."""

    low: Number
    likely: Number
    high: Number


class JudgeInput(Strict):
    """Question of `gentle-crust judge`. Without a forecast the cues alone decide; `judge --cues` lists them."""

    stage: Stage
    dough_c: Number = 24.0
    forecast_share_of_greatest: ShareInput | None = None
    past_peak: bool | None = None
    vessel: str | None = Field(None, description="What it is baked in; default: a stone")
    rye_percent: Number | None = Field(None, description="Default: of the flours, or none")
    flours: Annotated[list[FlourShareInput], Field(max_length=20)] | None = Field(
        None, description="What it is made of, percent: heights are held against what these can reach"
    )
    hydration: Number | None = Field(None, description="Water over flour, a fraction: a very wet dough shows more")
    leaven: Leaven = Field("yeast", description="What raises it: its pace, warm and cold, is its leaven's own")
    target: Number | None = Field(None, description="The rise wanted, percent, in bulk; the core wanted, C, when baked")
    core_wanted_c: Number | None = Field(None, description="The core wanted of a baked loaf, C; wins over target")
    minutes_to_ready: Number | None = Field(None, description="Until it is ready, by its own forecast")
    minutes_to_over: Number | None = Field(None, description="Until it is too far, by its own forecast")
    cues: Annotated[dict[str, str | Number], Field(max_length=20)] = {}


def _judged(asked: JudgeInput) -> JudgedDough:
    """The dough that is judged: what its flours can reach, and how much of them is rye."""
    if asked.flours is None:
        return JudgedDough(asked.dough_c, asked.rye_percent or 0.0, asked.leaven, asked.hydration)
    flours = tuple(each.part() for each in asked.flours)
    reached = reach_of(flours, asked.hydration, in_jar=asked.stage in ("culture", "preferment"))
    rye = 100 * reached.rye if asked.rye_percent is None else asked.rye_percent
    return JudgedDough(asked.dough_c, rye, asked.leaven, asked.hydration, reached.greatest_rise)


def _judge(text: str) -> dict[str, Any]:
    asked = JudgeInput.model_validate_json(text)
    share = asked.forecast_share_of_greatest
    found = judge(
        Question(
            stage=asked.stage,
            dough=_judged(asked),
            share=None if share is None else ShareBand(share.low, share.likely, share.high),
            vessel=asked.vessel,
            past_peak=asked.past_peak,
            cues=asked.cues,
            target=asked.target,
            core_wanted_c=asked.core_wanted_c,
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
    "choose": (choose_json.ChooseInput, choose_json.answer),
    "plan": (PlanQuestion, plan_json.answer),
    "judge": (JudgeInput, _judge),
    "forecast": (dough_json.ForecastInput, dough_json.forecast_answer),
    "preferment": (dough_json.PrefermentInput, dough_json.preferment_answer),
    "culture": (dough_json.CultureInput, dough_json.culture_answer),
    "water": (WaterInput, _water),
    "weigh": (WeighInput, _weigh),
    "recipe": (RecipeInput, _recipe),
    "diagnose": (DiagnoseInput, _diagnose),
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
