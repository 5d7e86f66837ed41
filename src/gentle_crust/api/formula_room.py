"""Formulas: written, read from recipes and files, weighed, compared and kept."""

import re
from dataclasses import asdict, replace
from typing import Any

from flask import Response, request

from gentle_crust.api.common import answer, if_match, reading, room, said, work
from gentle_crust.contract.formula import FormulaBody
from gentle_crust.contract.formulas import (
    CheckAnswer,
    ComparedAnswer,
    ComparePath,
    ExportPath,
    FormulaAnswer,
    FormulasAnswer,
    IngredientsAnswer,
    MethodAnswer,
    MethodBody,
    NameQuery,
    RecipeAnswer,
    RecipeBody,
    RecipeHeat,
    RecipeStage,
    SwapAnswer,
    SwapBody,
    TimeSaid,
    TogetherAnswer,
    TogetherBody,
    VersionNameBody,
    VersionPath,
    VersionsAnswer,
    WorkBody,
)
from gentle_crust.contract.recipe import Fixes, ItemFix, SentenceFix
from gentle_crust.contract.strict import KeyPath
from gentle_crust.core import limits
from gentle_crust.core.checks import checks
from gentle_crust.core.culture.swap import swap
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.fermentation.dough import flour_kinds
from gentle_crust.core.formula.edit import TIN_G_PER_ML, Lock, opened_mm, set_grams, set_share, settled
from gentle_crust.core.formula.feel import feel, mixing_for
from gentle_crust.core.formula.label import cost, label
from gentle_crust.core.formula.model import (
    BY_FEEL_POINTS,
    USUAL_PREFERMENTS,
    Formula,
    new_formula,
    usual_soakers,
    with_yeast_kind,
)
from gentle_crust.core.formula.names import flour_name
from gentle_crust.core.formula.scaling import totals, weigh
from gentle_crust.core.leaven.together import Batch, together
from gentle_crust.core.messages import message
from gentle_crust.core.plan.how_made import HowMade
from gentle_crust.core.plan.weigh_list import by_feel, handling_words
from gentle_crust.interchange.files import FORMATS, TELLS_METHOD, bring_in, export
from gentle_crust.interchange.recipe.whole import read
from gentle_crust.kitchen.formulas import FormulaBook, KeptFormula
from gentle_crust.kitchen.methods import made_so, method_view
from gentle_crust.kitchen.pantry import PantryBook
from gentle_crust.kitchen.recipes import recipe_here
from gentle_crust.kitchen.settings import KitchenSettings

formulas = room("formulas")


def _formula_answer(key: str, formula: Formula, put_away: bool = False) -> FormulaAnswer:
    kitchen, pantry = KitchenSettings(work()).get(), PantryBook(work()).get()
    weighed = weigh(formula, formula.pieces, formula.scaling_weight_g)
    return FormulaAnswer(
        id=key,
        formula=formula,
        weighed=weighed,
        totals=list(totals(formula, weighed.flour_g)),
        preferment_g=[stage.g for stage in weighed.stages[: len(formula.preferments)]],
        leaven=formula.leaven,
        feel=feel(formula),
        protein_percent=formula.blend("protein_percent"),
        handling=handling_words(formula),
        mixing=mixing_for(feel(formula)),
        by_feel=by_feel(formula, weighed.flour_g),
        put_away=put_away,
        checks=[CheckAnswer.of(each, reading()) for each in checks(formula, weighed, kitchen.equipment)],
        label=label(formula, weighed),
        cost=cost(weighed, formula.pieces, pantry.prices_by_key()),
        currency=kitchen.currency,
        scale_g=kitchen.scale_g,
    )


def _kept_answer(kept: KeptFormula) -> FormulaAnswer:
    found = _formula_answer(kept.id, kept.formula, kept.put_away)
    return found.model_copy(update={"version": kept.version})


@formulas.get("/formulas", responses={200: FormulasAnswer})
def get_formulas(query: NameQuery) -> Response:
    """Formulas that are not put away, those whose name holds ``name``, the oldest first."""
    lines, more = FormulaBook(work()).lines(query.name)
    return answer(FormulasAnswer(formulas=list(lines), more=more))


@formulas.get("/formulas/<key>", responses={200: FormulaAnswer})
def get_formula(path: KeyPath) -> Response:
    """One formula, put away or not, weighed for its own pieces."""
    return answer(_kept_answer(FormulaBook(work()).get(path.key, "id")))


@formulas.get("/ingredients", responses={200: IngredientsAnswer})
def get_ingredients() -> Response:
    """Names of flours, and what a new formula, preferment or soaker begins from."""
    names = {kind: flour_name(kind) for kind in flour_kinds()}
    return answer(
        IngredientsAnswer(
            flours=names,
            new=new_formula(said(message("formula-new")).sentence),
            preferments=dict(USUAL_PREFERMENTS),
            soakers=usual_soakers(said(message("soaker-seeds")).sentence, said(message("soaker-grain")).sentence),
            by_feel_points=BY_FEEL_POINTS,
            tin_g_per_ml=TIN_G_PER_ML,
            mine=list(PantryBook(work()).get().flours),
        )
    )


@formulas.post("/formulas/work", responses={200: FormulaAnswer})
def work_on_formula(body: WorkBody) -> Response:
    """Weigh and check a formula in the making, one change made by grams or by share, what is locked kept."""
    formula, lock = body.formula.formula(), Lock(**body.lock.model_dump())
    if body.yeast_kind:
        formula = with_yeast_kind(formula, body.yeast_kind)
    if body.change is not None and body.change.g is not None:
        formula = set_grams(formula, lock, body.change.line, body.change.g)
    elif body.change is not None and body.change.share is not None:
        formula = set_share(formula, lock, body.change.line, body.change.share)
    else:
        formula = settled(formula, lock)
    found = _formula_answer("", formula)
    if lock.kind == "tin":
        found.tin_ml = round(lock.volume_ml)
    if formula.shape == "flat_round" and lock.diameter_cm > 0:
        found.opened_mm = round(opened_mm(formula.scaling_weight_g, lock.diameter_cm), 1)
    return answer(found)


@formulas.post("/formulas/method", responses={200: MethodAnswer})
def how_it_is_made(body: MethodBody) -> Response:
    """How a formula in the making is made in this kitchen, stage by stage: its own way, or in a style."""
    return answer(MethodAnswer.of(method_view(work(), body.formula.formula(), body.style)))


@formulas.put("/formulas/<key>", responses={200: FormulaAnswer})
def save_formula(path: KeyPath, body: FormulaBody) -> Response:
    """Save a formula under the client's own key; every saved change is kept as a version.

    With If-Match, only over the version that it names.
    """
    return answer(_kept_answer(FormulaBook(work()).save(path.key, body.formula(), base=if_match())))


@formulas.get("/formulas/<key>/versions", responses={200: VersionsAnswer})
def formula_versions(path: KeyPath) -> Response:
    """All saved states of a formula, with what changed."""
    return answer(VersionsAnswer(versions=list(FormulaBook(work()).versions(path.key))))


@formulas.get("/formulas/<key>/compare/<before>/<after>", responses={200: ComparedAnswer})
def compare_versions(path: ComparePath) -> Response:
    """Two versions of a formula side by side."""
    lines = FormulaBook(work()).compared(path.key, path.before, path.after)
    return answer(ComparedAnswer(lines=list(lines)))


@formulas.put("/formulas/<key>/versions/<number>/name", responses={200: VersionsAnswer})
def name_version(path: VersionPath, body: VersionNameBody) -> Response:
    """Call a version something."""
    book = FormulaBook(work())
    book.name_version(path.key, path.number, body.name)
    return answer(VersionsAnswer(versions=list(book.versions(path.key))))


@formulas.post("/formulas/together", responses={200: TogetherAnswer})
def sum_formulas(body: TogetherBody) -> Response:
    """Several formulas on one day: one sum of ingredients, shared levains."""
    book = FormulaBook(work())
    batches = []
    for each in body.batches:
        formula = book.get(each.formula_id).formula
        pieces = formula.pieces if each.pieces is None else each.pieces
        weight = formula.scaling_weight_g if each.scaling_weight_g is None else each.scaling_weight_g
        formula = replace(formula, pieces=pieces, scaling_weight_g=weight)
        batches.append(Batch(formula, weigh(formula, pieces, weight)))
    within("kept_g", limits.KEPT_IN_ALL_G, body.kept_g)
    within("ratio", limits.FEED_RATIO, body.ratio)
    found = together(tuple(batches), body.kept_g, body.ratio)
    return answer(
        TogetherAnswer(
            ingredients=list(found.ingredients),
            dough_g=found.dough_g,
            pieces=found.pieces,
            levains=list(found.levains),
        )
    )


@formulas.post("/formulas/<key>/versions/<number>/restore", responses={200: FormulaAnswer})
def restore_version(path: VersionPath) -> Response:
    """Bring an earlier version back as the newest."""
    return answer(_kept_answer(FormulaBook(work()).restore(path.key, path.number)))


@formulas.post("/formulas/<key>/swap", responses={200: SwapAnswer})
def swap_leaven(path: KeyPath, body: SwapBody) -> Response:
    """The same bread with culture instead of yeast, or back; not kept until it is saved."""
    found = swap(FormulaBook(work()).get(path.key, "id").formula, body.leaven)
    called = message(
        "formula-with-levain" if body.leaven == "levain" else "formula-with-yeast", name=found.formula.name
    )
    other = _formula_answer("", replace(found.formula, name=said(called).sentence[:80]))
    return answer(SwapAnswer(formula=other, before=found.before, after=found.after))


@formulas.get("/formulas/<key>/file/<form>")
def formula_file(path: ExportPath) -> Response:
    """A formula as a file: own JSON, schema.org Recipe, CSV of the weigh list, or plain text."""
    kept = FormulaBook(work()).get(path.key, "id")
    weighed = weigh(kept.formula, kept.formula.pieces, kept.formula.scaling_weight_g)
    content_type, ending = FORMATS[path.form]
    name = re.sub(r"[^A-Za-z0-9]+", "-", kept.formula.name).strip("-").lower() or "formula"
    return Response(
        export(kept.formula, weighed, path.form, _told_with(path.form, kept.formula)),
        content_type=content_type,
        headers={"Content-Disposition": f'attachment; filename="{name}.{ending}"'},
    )


def _told_with(form: str, formula: Formula) -> HowMade | None:
    """How it is made, for files that tell it; one that cannot be made in this kitchen is given without."""
    if form not in TELLS_METHOD:
        return None
    try:
        return made_so(work(), formula)
    except CraftError:
        return None


@formulas.post("/formulas/read-file", responses={200: FormulaAnswer})
def read_file() -> Response:
    """A formula from a file's bytes (own JSON, schema.org Recipe, or recipe lines), not kept until it is saved."""
    return answer(_formula_answer("", bring_in(request.get_data())))


@formulas.post("/recipe/read", responses={200: RecipeAnswer})
def read_written_recipe(body: RecipeBody) -> Response:
    """Read a pasted recipe whole: its formula, its method, what is in doubt, and how it goes in this kitchen."""
    fixes = Fixes(
        tuple(ItemFix(**each.model_dump()) for each in body.items),
        tuple(SentenceFix(**each.model_dump()) for each in body.sentences),
    )
    recipe = read(body.text, body.habits.habits(), body.name, fixes)
    here = recipe_here(work(), recipe)
    formula, why_not = None, ""
    try:
        formula = None if recipe.formula is None else _formula_answer("", recipe.formula)
    except CraftError as error:
        why_not = str(said(error.what))
    if recipe.formula is None:
        why_not = str(said(message("interchange-recipe-no-flour")))
    return answer(
        RecipeAnswer(
            items=list(recipe.items),
            percent=recipe.percent,
            warnings=list(recipe.warnings),
            unread=list(recipe.unread),
            sentences=list(recipe.sentences),
            questions=list(recipe.questions),
            stages=[
                RecipeStage(
                    id=each.id,
                    kind=each.kind,
                    name=each.name,
                    told=each.until,
                    minutes=each.minutes,
                    place=each.place,
                    folds=sum(series.count for series in each.folds),
                    heats=_heats(recipe.method or {}, each.id),
                )
                for each in here.stages
            ],
            times=[TimeSaid(**asdict(each)) for each in here.times],
            told=any(each.stage for each in recipe.sentences),
            formula=formula,
            why_not=why_not,
        )
    )


def _heats(method: dict[str, Any], stage: str) -> list[RecipeHeat]:
    """The stretches in the oven of a bake of a method that was read; of any other stage, none."""
    baked = next((each for each in method.get("stages", []) if each["id"] == stage and each["kind"] == "bake"), {})
    return [
        RecipeHeat(
            setpoint_c=each["setpoint_c"],
            minutes=each["minutes"],
            covered=bool(each.get("covered")),
            fan=bool(each.get("fan")),
            turn=bool(each.get("turn")),
        )
        for each in baked.get("stages") or []
    ]


@formulas.delete("/formulas/<key>", responses={200: FormulaAnswer})
def delete_formula(path: KeyPath) -> Response:
    """Put a formula away; plans made with it keep it."""
    return answer(_kept_answer(FormulaBook(work()).put_away(path.key)))


@formulas.post("/formulas/<key>/restore", responses={200: FormulaAnswer})
def restore_formula(path: KeyPath) -> Response:
    """Bring a formula back."""
    return answer(_kept_answer(FormulaBook(work()).put_away(path.key, away=False)))
