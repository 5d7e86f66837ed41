"""The blueprints: kitchen, formulas, plan."""

import re
from dataclasses import asdict
from typing import Any

from flask import Response, current_app, request
from flask_openapi import APIBlueprint, Tag
from pydantic import BaseModel

from gentle_crust.api import schemas
from gentle_crust.core.culture.swap import swap
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.checks import checks
from gentle_crust.core.formula.feel import feel
from gentle_crust.core.formula.measures import Habits
from gentle_crust.core.formula.model import USUAL_PREFERMENTS, Formula, flour_name, new_formula
from gentle_crust.core.formula.scaling import weigh
from gentle_crust.core.scheduling.ladder import handling_words
from gentle_crust.core.tables import rows
from gentle_crust.interchange.files import FORMATS, bring_in, export
from gentle_crust.interchange.formula_json import FormulaBody
from gentle_crust.interchange.recipe_text import formula_of, read_recipe
from gentle_crust.kitchen.formulas import FormulaBook, KeptFormula
from gentle_crust.kitchen.now import Now, system_now
from gentle_crust.kitchen.plans import PlanBook, PlanLine, SavedPlan
from gentle_crust.kitchen.settings import KitchenSettings

kitchen = APIBlueprint("kitchen", __name__, url_prefix="/api", abp_tags=[Tag(name="kitchen")])
formulas = APIBlueprint("formulas", __name__, url_prefix="/api", abp_tags=[Tag(name="formulas")])
plans = APIBlueprint("plans", __name__, url_prefix="/api", abp_tags=[Tag(name="plans")])


def _json(model: BaseModel) -> Response:
    return Response(model.model_dump_json(), content_type="application/json")


def _now() -> Now:
    found: Now = current_app.extensions["gentle_crust_now"]
    return found


def _sessions() -> Any:
    return current_app.extensions["gentle_crust_store"]


@kitchen.get("/kitchen", responses={200: schemas.KitchenAnswer})
def get_kitchen() -> Response:
    """The kitchen's habits and its time."""
    return _kitchen_answer(KitchenSettings(_sessions(), _now()))


@kitchen.put("/kitchen", responses={200: schemas.KitchenAnswer})
def put_kitchen(body: schemas.KitchenBody) -> Response:
    """Save the kitchen's habits."""
    book = KitchenSettings(_sessions(), _now())
    book.save(body.settings())
    return _kitchen_answer(book)


def _kitchen_answer(book: KitchenSettings) -> Response:
    kinds = {row["kind"]: row["name"] for row in rows("vessels")}
    return _json(
        schemas.KitchenAnswer(
            settings=book.get(), now=book.now(), frozen=book.now is not system_now, vessel_kinds=kinds
        )
    )


def _formula_answer(key: str, formula: Formula, put_away: bool = False) -> schemas.FormulaAnswer:
    kinds = {share.kind for share in formula.flours}
    if formula.preferment:
        kinds.add(formula.preferment.flour_kind)
    weighed = weigh(formula, formula.pieces, formula.scaling_weight_g)
    return schemas.FormulaAnswer(
        id=key,
        formula=formula,
        weighed=weighed,
        feel=feel(formula).word,
        handling=handling_words(formula),
        put_away=put_away,
        flour_names={kind: flour_name(kind) for kind in kinds},
        checks=list(checks(formula, weighed)),
    )


def _kept_answer(kept: KeptFormula) -> schemas.FormulaAnswer:
    return _formula_answer(kept.id, kept.formula, kept.put_away)


@formulas.get("/formulas", responses={200: schemas.FormulasAnswer})
def get_formulas() -> Response:
    """All formulas that are not put away."""
    kept = FormulaBook(_sessions(), _now()).all()
    names = {row["kind"]: row["name"] for row in rows("flours")}
    return _json(
        schemas.FormulasAnswer(
            formulas=[_kept_answer(each) for each in kept],
            flours=names,
            new=new_formula("New formula"),
            preferments=dict(USUAL_PREFERMENTS),
        )
    )


@formulas.post("/formulas/preview", responses={200: schemas.FormulaAnswer})
def preview_formula(body: FormulaBody) -> Response:
    """Weigh and check a formula without keeping it."""
    return _json(_formula_answer("", body.formula()))


@formulas.put("/formulas/<key>", responses={200: schemas.FormulaAnswer})
def save_formula(path: schemas.KeyPath, body: FormulaBody) -> Response:
    """Save a formula under the client's own key; every saved change is kept as a version."""
    return _json(_kept_answer(FormulaBook(_sessions(), _now()).save(path.key, body.formula())))


@formulas.get("/formulas/<key>/versions", responses={200: schemas.VersionsAnswer})
def formula_versions(path: schemas.KeyPath) -> Response:
    """All saved states of a formula, with what changed."""
    return _json(schemas.VersionsAnswer(versions=list(FormulaBook(_sessions(), _now()).versions(path.key))))


@formulas.post("/formulas/<key>/versions/<number>/restore", responses={200: schemas.FormulaAnswer})
def restore_version(path: schemas.VersionPath) -> Response:
    """Bring an earlier version back as the newest."""
    return _json(_kept_answer(FormulaBook(_sessions(), _now()).restore(path.key, path.number)))


@formulas.post("/formulas/<key>/swap", responses={200: schemas.SwapAnswer})
def swap_leaven(path: schemas.KeyPath, body: schemas.SwapBody) -> Response:
    """The same bread with culture instead of yeast, or back; not kept until it is saved."""
    found = swap(FormulaBook(_sessions(), _now()).get(path.key, "id").formula, body.leaven)
    answer = _formula_answer("", found.formula)
    return _json(schemas.SwapAnswer(formula=answer, before=found.before, after=found.after))


@formulas.get("/formulas/<key>/file/<form>")
def formula_file(path: schemas.ExportPath) -> Response:
    """A formula as a file: own JSON, schema.org Recipe, CSV of the weigh list, or plain text."""
    kept = FormulaBook(_sessions(), _now()).get(path.key, "id")
    weighed = weigh(kept.formula, kept.formula.pieces, kept.formula.scaling_weight_g)
    content_type, ending = FORMATS[path.form]
    name = re.sub(r"[^A-Za-z0-9]+", "-", kept.formula.name).strip("-").lower() or "formula"
    return Response(
        export(kept.formula, weighed, path.form),
        content_type=content_type,
        headers={"Content-Disposition": f'attachment; filename="{name}.{ending}"'},
    )


@formulas.post("/formulas/read-file", responses={200: schemas.FormulaAnswer})
def read_file() -> Response:
    """A formula from a file's bytes (own JSON, schema.org Recipe, or recipe lines), not kept until it is saved."""
    return _json(_formula_answer("", bring_in(request.get_data())))


@formulas.post("/recipe/read", responses={200: schemas.RecipeAnswer})
def read_written_recipe(body: schemas.RecipeBody) -> Response:
    """Read a pasted recipe into grams and a formula."""
    reading = read_recipe(tuple(body.text.splitlines()), Habits(**body.habits.model_dump()))
    formula, why_not = None, ""
    try:
        formula = _formula_answer("", formula_of(reading, body.name))
    except CraftError as error:
        why_not = f"{error.sentence} {error.remedy}"
    return _json(
        schemas.RecipeAnswer(
            items=list(reading.items),
            percent=reading.percent,
            warnings=list(reading.warnings),
            unread=list(reading.unread),
            formula=formula,
            why_not=why_not,
        )
    )


@formulas.delete("/formulas/<key>", responses={200: schemas.FormulaAnswer})
def delete_formula(path: schemas.KeyPath) -> Response:
    """Put a formula away; plans made with it keep it."""
    return _json(_kept_answer(FormulaBook(_sessions(), _now()).put_away(path.key)))


@formulas.post("/formulas/<key>/restore", responses={200: schemas.FormulaAnswer})
def restore_formula(path: schemas.KeyPath) -> Response:
    """Bring a formula back."""
    return _json(_kept_answer(FormulaBook(_sessions(), _now()).put_away(path.key, away=False)))


def _book() -> PlanBook:
    return PlanBook(_sessions(), _now())


def _saved(saved: SavedPlan) -> Response:
    answer = saved.answer
    return _json(
        schemas.SavedPlanAnswer(
            id=saved.id,
            saved_at=saved.saved_at,
            asked=answer.asked,
            formula=answer.formula,
            formula_put_away=answer.formula_put_away,
            plan=answer.plan,
        )
    )


def _line(line: PlanLine) -> schemas.PlanLineAnswer:
    return schemas.PlanLineAnswer(**asdict(line))


@plans.post("/plan", responses={200: schemas.PlanAnswer})
def preview_plan(body: schemas.AskedBody) -> Response:
    """Reckon a plan without keeping it."""
    answer = _book().preview(body.asked())
    return _json(
        schemas.PlanAnswer(
            asked=answer.asked, formula=answer.formula, formula_put_away=answer.formula_put_away, plan=answer.plan
        )
    )


@plans.post("/plan/mends", responses={200: schemas.MendsAnswer})
def mend_plan(body: schemas.AskedBody) -> Response:
    """Single changes that would rid this plan of its problems."""
    return _json(schemas.MendsAnswer(mends=list(_book().mends(body.asked()))))


@plans.get("/plans", responses={200: schemas.PlansAnswer})
def list_plans() -> Response:
    """Saved plans, the latest wanted first."""
    return _json(schemas.PlansAnswer(plans=[_line(line) for line in _book().all()]))


@plans.get("/plans/<key>", responses={200: schemas.SavedPlanAnswer})
def open_plan(path: schemas.KeyPath) -> Response:
    """A saved plan, just as it was shown."""
    return _saved(_book().open(path.key))


@plans.put("/plans/<key>", responses={200: schemas.SavedPlanAnswer})
def save_plan(path: schemas.KeyPath, body: schemas.AskedBody) -> Response:
    """Reckon and save a plan under the client's own key; the same key again replaces it."""
    return _saved(_book().save(path.key, body.asked()))


@plans.delete("/plans/<key>", responses={200: schemas.PlanLineAnswer})
def delete_plan(path: schemas.KeyPath) -> Response:
    """Put a plan away."""
    return _json(_line(_book().put_away(path.key)))


@plans.post("/plans/<key>/restore", responses={200: schemas.PlanLineAnswer})
def restore_plan(path: schemas.KeyPath) -> Response:
    """Bring a plan back."""
    return _json(_line(_book().put_away(path.key, away=False)))
