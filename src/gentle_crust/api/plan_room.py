"""Plans: reckoned, mended, saved and opened again."""

from dataclasses import asdict

from flask import Response
from flask_openapi import APIBlueprint, Tag

from gentle_crust.api import schemas
from gentle_crust.api.common import answer, now, sessions
from gentle_crust.kitchen.plans import PlanBook, PlanLine, SavedPlan

plans = APIBlueprint("plans", __name__, url_prefix="/api", abp_tags=[Tag(name="plans")])


def _book() -> PlanBook:
    return PlanBook(sessions(), now())


def _saved(saved: SavedPlan) -> Response:
    made = saved.answer
    return answer(
        schemas.SavedPlanAnswer(
            id=saved.id,
            saved_at=saved.saved_at,
            asked=made.asked,
            formula=made.formula,
            formula_put_away=made.formula_put_away,
            newest_version=made.newest_version,
            plan=made.plan,
        )
    )


def _line(line: PlanLine) -> schemas.PlanLineAnswer:
    return schemas.PlanLineAnswer(**asdict(line))


@plans.post("/plan", responses={200: schemas.PlanAnswer})
def preview_plan(body: schemas.AskedBody) -> Response:
    """Reckon a plan without keeping it."""
    made = _book().preview(body.asked())
    return answer(
        schemas.PlanAnswer(
            asked=made.asked,
            formula=made.formula,
            formula_put_away=made.formula_put_away,
            newest_version=made.newest_version,
            plan=made.plan,
        )
    )


@plans.post("/plan/mends", responses={200: schemas.MendsAnswer})
def mend_plan(body: schemas.AskedBody) -> Response:
    """Single changes that would rid this plan of its problems."""
    return answer(schemas.MendsAnswer(mends=list(_book().mends(body.asked()))))


@plans.get("/plans", responses={200: schemas.PlansAnswer})
def list_plans() -> Response:
    """Saved plans, the latest wanted first."""
    return answer(schemas.PlansAnswer(plans=[_line(line) for line in _book().all()]))


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
    return answer(_line(_book().put_away(path.key)))


@plans.post("/plans/<key>/restore", responses={200: schemas.PlanLineAnswer})
def restore_plan(path: schemas.KeyPath) -> Response:
    """Bring a plan back."""
    return answer(_line(_book().put_away(path.key, away=False)))
