"""Plans: asked for, mended, saved and opened again."""

import logging
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from functools import lru_cache
from itertools import product
from typing import Any

from sqlalchemy.orm import Session

from gentle_crust.contract.asked import Asked
from gentle_crust.contract.documents import ASKED, FORMULA, PLAN
from gentle_crust.contract.events import STARTED
from gentle_crust.contract.kitchen import Settings
from gentle_crust.contract.pages import PAGE, Page, place_of, written
from gentle_crust.contract.sentences import unkept
from gentle_crust.contract.shown import NextStep, PlanLine, PlanState
from gentle_crust.core.clock import zone_of
from gentle_crust.core.course.ask import Asked as CourseAsked
from gentle_crust.core.course.plan import CoursePlan, gravity
from gentle_crust.core.course.styles import Style, fitting
from gentle_crust.core.course.taken import Taken
from gentle_crust.core.errors import Conflict, CraftError, Infeasible, NotFound, Unreadable
from gentle_crust.core.fermentation.marks import Mark, in_bowl, in_jar, on_box
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.leaven.starter import Starter
from gentle_crust.core.messages import Message
from gentle_crust.core.plan.shown import Plan
from gentle_crust.core.plan.tell import tell
from gentle_crust.kitchen import states
from gentle_crust.kitchen.beside import write_plan
from gentle_crust.kitchen.cultures import CultureBook
from gentle_crust.kitchen.formulas import FormulaBook
from gentle_crust.kitchen.learning import LearningBook
from gentle_crust.kitchen.local_time import LOCAL
from gentle_crust.kitchen.mixes import MixBook
from gentle_crust.kitchen.once import Known
from gentle_crust.kitchen.oven_lessons import OvenLessons
from gentle_crust.kitchen.page_mends import PageMend, page_mends
from gentle_crust.kitchen.question import Behind, completed, plan_of, question_of, wanted
from gentle_crust.kitchen.settings import KitchenSettings, hour_of
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Bakes, PlanLineRow, Plans
from gentle_crust.store.models import BakeRow, PlanRow
from gentle_crust.store.repositories import Events


@dataclass(frozen=True)
class Answer:
    """A plan, with the question as it was completed and the formula it was made with."""

    asked: Asked
    formula: Formula
    formula_put_away: bool
    newest_version: int
    plan: Plan
    marks: tuple[Mark, ...] = ()
    """Where the end of bulk stands on the kitchen's own vessels."""


@dataclass(frozen=True)
class SavedPlan:
    """A plan as it was saved, and shown then."""

    id: str
    saved_at: datetime
    answer: Answer
    mark: str = ""
    """Names this state of it wholly, if it was looked up for the bench."""


@dataclass(frozen=True)
class BrokenPlan:
    """A saved plan that cannot be read: its key, its name as far as known, when it was saved, and what is wrong."""

    id: str
    name: str
    saved_at: datetime
    why: Message


LOG = logging.getLogger(__name__)
BEFORE_MIX_H = 18.0
ENOUGH_DAYS = 2
"""So many days ahead a first good time is looked for where something else than time is wanting."""


def marks_of(plan: Plan, settings: Settings) -> tuple[Mark, ...]:
    """The end of bulk as a line on the kitchen's box and a height in its sample jar, as far as it has them.

    The bowl is named only where this plan's dough would run over it.
    """
    found = []
    if settings.bowl_l is not None:
        over = in_bowl(plan.totals.dough_g, plan.proof.bulk_rise, settings.bowl_l)
        found += [over] if over else []
    if settings.box_l is not None:
        found.append(on_box(plan.totals.dough_g, plan.proof.bulk_rise, settings.box_l))
    if settings.jar_mm is not None:
        found.append(in_jar(plan.proof.bulk_rise, settings.jar_mm))
    return tuple(found)


class PlanBook:
    """All plans of a kitchen."""

    def __init__(self, work: Work) -> None:
        self.work, self.now = work, work.now
        self.formulas = FormulaBook(work)
        self.settings = KitchenSettings(work)
        self.mixes, self.lessons, self.learning = MixBook(work), OvenLessons(work), LearningBook(work)
        self.cultures = CultureBook(work)

    def preview(self, asked: Asked, taken: tuple[Taken, ...] = ()) -> Answer:
        """The plan for a question, not kept. Without ``ready``, for the first good time that works.

        ``taken``: what other plans and doughs take of the kitchen.
        """
        whole, behind, about = self._completed(asked, taken)
        if whole.ready is None:
            return self._first_good(whole, behind, about)
        return self._answer(whole, behind, about, plan_of(whole, behind))

    def ask(self, asked: Asked, taken: tuple[Taken, ...] = ()) -> CourseAsked:
        """The core's question for a plan that has a time."""
        whole, behind, _ = self._completed(asked, taken)
        return question_of(whole, behind)

    def completed(self, asked: Asked) -> tuple[Asked, Behind]:
        """A question with all that was left out, and what it is asked with."""
        return self._completed(asked, ())[:2]

    def _completed(self, asked: Asked, taken: tuple[Taken, ...]) -> tuple[Asked, Behind, tuple[bool, int]]:
        """A question with all that was left out, what it is asked with, and how its formula stands."""
        settings = self.lessons.kitchen()
        formula, about = self._formula(asked)
        whole, starter = self._complete(asked, settings, formula)
        learnt = self.learning.here(whole.culture_id or "", whole.formula_id, formula)
        whole = replace(whole, yeast_strength=self.mixes.yeast_strength(), learnt=learnt if learnt.any else None)
        return whole, Behind(settings, formula, starter, self.now(), self.mixes.learnt_k(), taken), about

    def _answer(self, whole: Asked, behind: Behind, about: tuple[bool, int], made: CoursePlan) -> Answer:
        plan = tell(made, wanted(whole, behind.settings))
        return Answer(whole, behind.formula, *about, plan, marks_of(plan, behind.settings))

    def question(self, saved: SavedPlan) -> CourseAsked:
        """The core's question behind a saved plan, its formula and culture as they were then."""
        return self.asker()(saved)

    def asker(self) -> Callable[[SavedPlan], CourseAsked]:
        """The same for several, in one kitchen that is looked up once."""
        settings, learnt = self.lessons.kitchen(), self.mixes.learnt_k()

        def question(saved: SavedPlan) -> CourseAsked:
            answer = saved.answer
            whole = completed(answer.asked, settings, answer.formula)
            behind = Behind(settings, answer.formula, answer.plan.starter, _planned_at(saved), learnt)
            return question_of(whole, behind)

        return question

    def some(self, keys: Sequence[str]) -> tuple[SavedPlan, ...]:
        """Some saved plans as they were kept, the soonest wanted first, without what became of their formulas.

        One that cannot be read is left out, and said in the log; :meth:`looked_up` names it.
        """
        return self.looked_up(keys)[0]

    def looked_up(self, keys: Sequence[str]) -> tuple[tuple[SavedPlan, ...], tuple[BrokenPlan, ...]]:
        """Some saved plans as :meth:`some` tells them, and those that cannot be read, by what their rows still tell."""
        found, broken = [], []
        with self.work.read() as session:
            plans = Plans(session)
            for key, at, mark in plans.marks_of(keys):
                try:
                    asked, formula, plan = _kept(Known(mark, lambda key=key: plans.get(key)))
                except Unreadable as error:
                    LOG.exception("plan %s cannot be read", key)
                    broken.append(BrokenPlan(key, plans.names([key])[key][0], at, error.what))
                    continue
                found.append(SavedPlan(key, at, Answer(asked, formula, False, asked.version or 1, plan), mark))
        return tuple(found), tuple(broken)

    def _formula(self, asked: Asked) -> tuple[Formula, tuple[bool, int]]:
        """The formula of the version that is asked for; whether it was put away, and its newest version's number."""
        kept = self.formulas.get(asked.formula_id)
        newest = self.formulas.newest(asked.formula_id)
        formula = kept.formula
        if asked.version is not None and asked.version != newest:
            formula = self.formulas.version(asked.formula_id, asked.version, "version").formula
        return formula, (kept.put_away, newest)

    def _starter(self, culture_id: str) -> Starter:
        try:
            return self.cultures.starter(culture_id)
        except CraftError as error:
            raise CraftError("culture_id", error.what.code, **error.what.values) from error

    def _complete(self, asked: Asked, settings: Settings, formula: Formula) -> tuple[Asked, Starter | None]:
        """The question with all that was left out filled in, but for the time; and the culture of its levain."""
        whole = completed(asked, settings, formula)
        levain = next((one for one in formula.preferments if one.kind == "levain"), None)
        share = None if levain is None else formula.flour(levain.flour_kind)
        if share is None:
            return replace(whole, culture_id=""), None
        if whole.culture_id is not None:
            return whole, self._starter(whole.culture_id) if whole.culture_id else None
        best = self.cultures.best_starter(share.kind)
        return replace(whole, culture_id=best.id if best else ""), best

    def _first_good(self, whole: Asked, behind: Behind, about: tuple[bool, int]) -> Answer:
        """For breakfast tomorrow, else for noon, the afternoon or the evening; else the same on the days after.

        Days beyond the second are tried only where time is all that lacks, as in a cold kitchen. Where none is without
        a problem, the one whose problems weigh least.
        """
        zone = zone_of(whole.zone or behind.settings.zone)
        today = self.now().astimezone(zone).replace(hour=0, minute=0, second=0, microsecond=0, tzinfo=None)
        breakfast = hour_of(whole.sleep_to or "", "sleep_to") + 1.75
        best: tuple[Asked, CoursePlan] | None = None
        want_of_time = False
        for day, hour in product((1, 2, 3, 4, 6, 8, 10), (breakfast, 12.5, 15.0, 18.5)):
            if day > ENOUGH_DAYS and best is not None and not want_of_time:
                break
            ready = today + timedelta(days=day, minutes=15 * round(hour * 4))
            tried = replace(whole, ready=ready.strftime(LOCAL))
            try:
                made = plan_of(tried, behind)
            except CraftError as error:
                if error.field != "ready":
                    raise
                continue
            if best is None or gravity(made) < gravity(best[1]):
                best = tried, made
            want_of_time = want_of_time or not _not_for_want_of_time(made)
            if not made.problems:
                return self._answer(tried, behind, about, made)
        if best is None:
            raise Infeasible("ready", "kitchen-no-usable-time")
        return self._answer(best[0], behind, about, best[1])

    def mends(self, asked: Asked, taken: tuple[Taken, ...] = ()) -> tuple[PageMend, ...]:
        """Single changes that would rid a plan of its problems, as what of the question takes which value."""
        whole, behind, _ = self._completed(asked, taken)
        return page_mends(plan_of(whole, behind), whole, behind)

    def styles(self, answer: Answer) -> tuple[Style, ...]:
        """The styles that suit a plan's formula in this kitchen."""
        return fitting(answer.formula, self.settings.get().vessels)

    def save(self, key: str, asked: Asked, base: int | None = None, taken: tuple[Taken, ...] = ()) -> SavedPlan:
        """Plan and keep under the client's own key; saving the same key again replaces what was asked.

        Raises ChangedMeanwhile if it was made from state ``base``, and another stands by now.
        """
        if asked.version is None:
            asked = replace(asked, version=self.formulas.newest(self.formulas.get(asked.formula_id).id))
        return self._keep(key, self.preview(asked, taken), base)

    def for_mixed(self, key: str, asked: Asked, mixed_at: datetime) -> SavedPlan:
        """A plan for a dough that is mixed already, not kept yet: ready as long after that as its own course takes."""
        book = PlanBook(self.work.at(lambda: mixed_at - timedelta(hours=BEFORE_MIX_H)))
        if asked.version is None:
            asked = replace(asked, version=self.formulas.newest(self.formulas.get(asked.formula_id).id))
        zone = zone_of(asked.zone or self.settings.get().zone)
        lasts = timedelta(hours=BEFORE_MIX_H)
        answer: Answer | None = None
        for _ in range(3):
            ready = _minute(mixed_at + lasts).astimezone(zone)
            answer = book.preview(replace(asked, ready=ready.strftime(LOCAL)))
            times = answer.plan.times
            if times is None or abs(times.mix - mixed_at) < timedelta(minutes=2):
                break
            lasts = answer.plan.ready - times.mix
        if answer is None:
            raise AssertionError("no plan was tried")
        return SavedPlan(key, self.now(), answer)

    def keep(self, saved: SavedPlan) -> SavedPlan:
        """Keep a plan as it is."""
        return self._keep(saved.id, saved.answer)

    def _keep(self, key: str, answer: Answer, base: int | None = None) -> SavedPlan:
        now, asked = self.now(), ASKED.write(answer.asked)
        kept = {"asked": asked, "formula": FORMULA.write(answer.formula), "shown": PLAN.write(answer.plan)}
        with self.work.write() as session:
            self._must_not_bake(session, key)
            row = Plans(session).get(key)
            if row is None:
                row = PlanRow(id=key, created_at=now)
                states.keep(session, "plan", kept, None, now, key)
            else:
                states.check(session, "plan", base, asked, row.asked, key)
                before = {"asked": row.asked, "formula": row.formula, "shown": row.shown}
                if row.asked != asked or row.formula != kept["formula"]:
                    states.keep(session, "plan", kept, before, now, key)
            _put(row, kept, answer.plan, now)
            Plans(session).add(row)
            write_plan(session, row)
        return SavedPlan(key, now, answer)

    def etag(self, key: str) -> str:
        """Names the state of a plan that stands."""
        with self.work.read() as session:
            return str(states.newest(session, "plan", key))

    def can_undo(self, key: str) -> bool:
        """Whether a plan was saved over."""
        with self.work.read() as session:
            return states.earlier(session, "plan", key) is not None

    def undo(self, key: str) -> SavedPlan:
        """Bring back what a plan was before it was saved over, as it was shown then. NotFound if it never was."""
        with self.work.write() as session:
            self._must_not_bake(session, key)
            row, number = Plans(session).get(key), states.earlier(session, "plan", key)
            if row is None or number is None:
                raise NotFound("id", "kitchen-plan-no-earlier-state")
            kept = states.state(session, "plan", number, key)
            plan = PLAN.read(kept["shown"])
            states.keep(session, "plan", kept, None, self.now(), key)
            _put(row, kept, plan, self.now())
            write_plan(session, row)
            return self.open(key)

    def _must_not_bake(self, session: Session, key: str) -> None:
        if any(Events(session).plain(STARTED, subject=key)):
            raise Conflict("plan", "kitchen-plan-on-bench")

    def open(self, key: str) -> SavedPlan:
        """A saved plan just as it was shown, whatever became of its formula since."""
        with self.work.read() as session:
            row = Plans(session).get(key)
            if row is None:
                raise NotFound("id", "kitchen-plan-not-here")
            asked, formula, plan = _read(row)
        away = self.formulas.get(row.formula_id).put_away
        newest = self.formulas.newest(row.formula_id)
        answer = Answer(asked, formula, away, newest, plan, marks_of(plan, self.settings.get()))
        return SavedPlan(row.id, row.updated_at, answer)

    def page(self, more: str = "", baked: bool = True) -> Page[PlanLine]:
        """Saved plans, the latest wanted first; those that are ``baked`` are in the log, and may be left out."""
        with self.work.read() as session:
            rows = Plans(session).page(place_of(more), PAGE + 1, None if baked else self.now())
            lines = self._lines(session, rows[:PAGE])
        last = rows[PAGE - 1] if len(rows) > PAGE else None
        return Page(lines, written((last.ready, last.id)) if last else "")

    def _lines(self, session: Session, rows: Sequence[PlanLineRow]) -> tuple[PlanLine, ...]:
        keys = [row.id for row in rows]
        begun, steps = Bakes(session).of(keys), Plans(session).next_steps(keys, self.now())
        return tuple(self._line(row, begun.get(row.id), steps.get(row.id)) for row in rows)

    def _line(self, row: PlanLineRow, begun: BakeRow | None, step: tuple[str, datetime] | None) -> PlanLine:
        state: PlanState = "planned"
        if begun is not None:
            state = "on_bench" if begun.on_bench(self.now()) else "baked"
        return PlanLine(
            row.id,
            row.name or "?",
            row.pieces or 1,
            row.ready,
            row.begins or row.ready,
            row.saved_at,
            NextStep(unkept(step[0]), step[1]) if step and begun is None else None,
            state,
        )

    def put_away(self, key: str, away: bool = True) -> PlanLine:
        """Delete a plan, or bring it back."""
        with self.work.write() as session:
            row = Plans(session).get(key)
            if row is None:
                raise NotFound("id", "kitchen-plan-not-here")
            row.deleted_at = self.now() if away else None
            shown = PlanLineRow(row.id, row.name, row.pieces, row.ready, row.begins, row.updated_at)
            return self._lines(session, [shown])[0]


def _put(row: PlanRow, kept: dict[str, Any], plan: Plan, now: datetime) -> None:
    """Write a plan's documents into its row."""
    row.formula_id = str(kept["asked"]["formula_id"])
    row.formula, row.asked, row.shown = kept["formula"], kept["asked"], kept["shown"]
    row.engine, row.ready, row.updated_at, row.deleted_at = plan.engine, plan.ready, now, None


def _read(row: PlanRow) -> tuple[Asked, Formula, Plan]:
    """A saved plan as it was kept."""
    return (
        ASKED.read(row.asked),
        FORMULA.read(row.formula),
        PLAN.read(row.shown),
    )


@lru_cache(maxsize=128)
def _kept(row: Known[Callable[[], PlanRow | None]]) -> tuple[Asked, Formula, Plan]:
    """The same, read once: it is large, and never changes under its mark."""
    found = row.value()
    if found is None:
        raise NotFound("id", "kitchen-plan-not-here")
    return _read(found)


def _not_for_want_of_time(made: CoursePlan) -> bool:
    """Whether a plan has problems that another day would not mend."""
    return any(problem.code not in ("past", "asleep", "early") for problem in made.problems)


def _planned_at(saved: SavedPlan) -> datetime:
    """When a saved plan was made; of one that was made for a dough already mixed, before that was begun."""
    return min(saved.saved_at, saved.answer.plan.begins)


def _minute(at: datetime) -> datetime:
    return at.replace(second=0, microsecond=0)
