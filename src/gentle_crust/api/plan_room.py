"""Plans: reckoned, mended, saved and opened again."""

from dataclasses import replace
from typing import Any

from flask import Response

from gentle_crust.api.common import answer, as_calendar, if_match, room, said, work
from gentle_crust.contract.formulas import MethodAnswer
from gentle_crust.contract.plans import (
    AskedBody,
    BesideQuery,
    MendAnswer,
    MendsAnswer,
    OtherTakes,
    PartLetter,
    PlanAnswer,
    PlanDoneAnswer,
    PlansAnswer,
    PlansQuery,
    ReadingBody,
    ReadingPath,
    SavedPlanAnswer,
    StyleLine,
    TrialOfferLine,
    TrialOffersAnswer,
    TurnAnswer,
    TurnBody,
    WayAnswer,
    WaysAnswer,
    WhatIfsAnswer,
    WhyAnswer,
)
from gentle_crust.contract.strict import KeyPath
from gentle_crust.core.course.as_written import as_written
from gentle_crust.core.course.ask import Asked as CourseAsked
from gentle_crust.core.course.plan import plan
from gentle_crust.core.course.taken import Taken
from gentle_crust.core.plan.shown import Plan
from gentle_crust.core.plan.tell import Wanted, tell
from gentle_crust.core.plan.ways import Way, ways
from gentle_crust.core.plan.what_if import what_if
from gentle_crust.core.plan.why import why
from gentle_crust.kitchen.ahead import Ahead
from gentle_crust.kitchen.blind import letters_of
from gentle_crust.kitchen.follow import FollowBook, Followed
from gentle_crust.kitchen.follow import Taken as TakenReading
from gentle_crust.kitchen.methods import method_of_plan
from gentle_crust.kitchen.plans import Answer, PlanBook
from gentle_crust.kitchen.taken import taken_of
from gentle_crust.kitchen.trial_offers import trials_for
from gentle_crust.kitchen.trials import TrialBook
from gentle_crust.kitchen.turn import UNITS, turn

plans = room("plans")


def _book() -> PlanBook:
    return PlanBook(work())


def _follow() -> FollowBook:
    return FollowBook(work())


def _plan(made: Answer, taken: tuple[Taken, ...]) -> dict[str, Any]:
    return {
        "asked": made.asked,
        "formula": made.formula,
        "formula_put_away": made.formula_put_away,
        "newest_version": made.newest_version,
        "plan": made.plan,
        "marks": list(made.marks),
        "others": _others(made.plan, taken),
        "styles": [StyleLine(id=each.id, name=each.name, cold=each.cold) for each in _book().styles(made)],
    }


def _others(plan: Plan, taken: tuple[Taken, ...]) -> list[OtherTakes]:
    """What others take of hands and oven between the first step of a plan and its last loaf."""
    first, last = min(step.at for step in plan.steps), max([plan.out, *(part.out for part in plan.outs)])
    return [
        OtherTakes(what=each.what, name=each.name, start=each.start, end=each.end)
        for each in taken
        if each.what != "fridge" and each.start < last and each.end > first
    ]


def _ask(query: BesideQuery, body: AskedBody) -> CourseAsked:
    """The core's question of the plan that is shown: around what other plans and doughs take."""
    return _book().ask(body.asked(), taken_of(work(), query.plan))


def _saved(found: Followed) -> Response:
    saved = found.saved
    trials, letters = TrialBook(work()).of_bake(saved.id), letters_of(work(), [saved.id]).get(saved.id, {})
    return answer(
        SavedPlanAnswer(
            id=saved.id,
            saved_at=saved.saved_at,
            readings=list(found.readings),
            followed=found.plan,
            started=found.started,
            baked=found.baked,
            shared=Ahead(work()).shared_with(saved.id),
            trials=list(trials),
            letters=[PartLetter(part=part, letter=letter) for part, letter in letters.items()],
            etag=_book().etag(saved.id),
            can_undo=found.started is None and _book().can_undo(saved.id),
            **_plan(saved.answer, taken_of(work(), saved.id)),
        )
    )


@plans.post("/plan", responses={200: PlanAnswer})
def preview_plan(query: BesideQuery, body: AskedBody) -> Response:
    """Reckon a plan without keeping it, around what other plans and doughs take."""
    taken = taken_of(work(), query.plan)
    return answer(PlanAnswer(**_plan(_book().preview(body.asked(), taken), taken)))


@plans.post("/plan/ways", responses={200: WaysAnswer})
def ways_to_plan(query: BesideQuery, body: AskedBody) -> Response:
    """The styles that suit, each to the same bread by the same time."""
    asked = _book().ask(replace(body.asked(), fridge_days=0), taken_of(work(), query.plan))
    means_cut = body.ready_means == "cut"
    return answer(WaysAnswer(ways=[_way(way, means_cut) for way in ways(asked)]))


def _way(way: Way, means_cut: bool) -> WayAnswer:
    plan = None if way.plan is None else tell(way.plan, Wanted(None, means_cut))
    return WayAnswer(
        style=way.style,
        title=way.title,
        gives=way.gives,
        why_not=str(said(way.why_not)) if way.why_not else "",
        ready=plan.ready if plan else None,
        ribbon=plan.ribbon if plan else None,
        costs=plan.costs if plan else None,
        proof_share=plan.proof if plan else None,
        problems=list(plan.problems) if plan else [],
    )


@plans.post("/plan/method", responses={200: MethodAnswer})
def stages_of_plan(query: BesideQuery, body: AskedBody) -> Response:
    """How the dough of a plan is made, stage by stage, each as long as it is by the time that is wanted."""
    return answer(MethodAnswer.of(method_of_plan(work(), _ask(query, body))))


@plans.post("/plan/trials", responses={200: TrialOffersAnswer})
def trials_of_plan(query: BesideQuery, body: AskedBody) -> Response:
    """Trials that this plan can be: its dough in two parts that go the same way but for one thing."""
    offers = [
        TrialOfferLine(
            code=each.code, title=each.title, parts=[part.name for part in each.method.parts],
            says=list(each.says), method=as_written(each.method),
        )
        for each in trials_for(work(), body.asked())
    ]  # fmt: skip
    return answer(TrialOffersAnswer(offers=offers))


@plans.post("/plan/what-if", responses={200: WhatIfsAnswer})
def shades_of_plan(query: BesideQuery, body: AskedBody) -> Response:
    """The same clock in a colder kitchen, with a weaker leaven, an hour late."""
    return answer(WhatIfsAnswer(shades=list(what_if(plan(_ask(query, body))))))


@plans.post("/plan/why", responses={200: WhyAnswer})
def why_plan(query: BesideQuery, body: AskedBody) -> Response:
    """What drives the time of bulk, the weightiest first."""
    return answer(WhyAnswer(why=why(plan(_ask(query, body)).solved)))


@plans.post("/plan/turn", responses={200: TurnAnswer})
def turn_plan(body: TurnBody) -> Response:
    """A question turned round: how much, how warm, how long."""
    found = turn(body.question, _book().ask(body.asked.asked()), body.rise, body.hours, body.room_h)
    return answer(TurnAnswer(turned=found, unit=UNITS[body.question]))


@plans.post("/plan/mends", responses={200: MendsAnswer})
def mend_plan(query: BesideQuery, body: AskedBody) -> Response:
    """Single changes that would rid this plan of its problems."""
    found = _book().mends(body.asked(), taken_of(work(), query.plan))
    return answer(MendsAnswer(mends=[MendAnswer(sentence=each.sentence, change=each.change) for each in found]))


@plans.get("/plans", responses={200: PlansAnswer})
def list_plans(query: PlansQuery) -> Response:
    """Saved plans, the latest wanted first, by pages; without those that are in the log, if that is asked."""
    page = _book().page(query.more, query.baked)
    return answer(PlansAnswer(plans=list(page.lines), more=page.more))


@plans.get("/plans/<key>", responses={200: SavedPlanAnswer})
def open_plan(path: KeyPath) -> Response:
    """A saved plan, just as it was shown."""
    return _saved(_follow().open(path.key))


@plans.put("/plans/<key>", responses={200: SavedPlanAnswer})
def save_plan(path: KeyPath, body: AskedBody) -> Response:
    """Reckon and save a plan under the client's own key; the same key again replaces it.

    With If-Match, only the state that it names.
    """
    _book().save(path.key, body.asked(), if_match(), taken_of(work(), path.key))
    return _saved(_follow().open(path.key))


@plans.get("/plans/<key>/calendar.ics")
def plan_calendar(path: KeyPath) -> Response:
    """What is ahead of a plan, or of its dough at the bench, step by step, each with its alarm."""
    _book().open(path.key)
    return as_calendar(Ahead(work()).of_plan(path.key), "plan")


@plans.post("/plans/<key>/undo", responses={200: SavedPlanAnswer})
def undo_plan(path: KeyPath) -> Response:
    """Bring back a plan as it was before it was saved over."""
    _book().undo(path.key)
    return _saved(_follow().open(path.key))


@plans.put("/plans/<key>/readings/<reading>", responses={200: SavedPlanAnswer})
def take_reading(path: ReadingPath, body: ReadingBody) -> Response:
    """A reading of the dough, under the client's own key: what comes later moves."""
    return _saved(_follow().take(path.key, path.reading, TakenReading(**body.model_dump())))


@plans.delete("/plans/<key>/readings/<reading>", responses={200: SavedPlanAnswer})
def withdraw_reading(path: ReadingPath) -> Response:
    """A reading that was a mistake."""
    return _saved(_follow().withdraw(path.key, path.reading))


@plans.delete("/plans/<key>", responses={200: PlanDoneAnswer})
def delete_plan(path: KeyPath) -> Response:
    """Put a plan away."""
    return answer(PlanDoneAnswer(plan=_book().put_away(path.key)))


@plans.post("/plans/<key>/restore", responses={200: PlanDoneAnswer})
def restore_plan(path: KeyPath) -> Response:
    """Bring a plan back."""
    return answer(PlanDoneAnswer(plan=_book().put_away(path.key, away=False)))
