"""Bakes that were begun: a list of them, and each one's record, whatever became of it."""

from dataclasses import replace
from datetime import datetime, timedelta

from gentle_crust.contract import events as bodies
from gentle_crust.contract.bakes import (
    AskingLine,
    Asks,
    BakeLine,
    BakeRecord,
    RecordEdit,
    RecordLoaf,
    RecordOutcome,
    RecordReading,
    RecordStep,
    RecordVerdict,
    RecordWords,
    UnreadableEvent,
)
from gentle_crust.contract.log import Choice, Choices, FaultChoice
from gentle_crust.contract.pages import PAGE, Page, place_of, written
from gentle_crust.contract.sentences import MESSAGE
from gentle_crust.core.bench.happened import EXTRA_FOLD, keys
from gentle_crust.core.clock import zone_of
from gentle_crust.core.course.steps import CODES
from gentle_crust.core.errors import NotFound
from gentle_crust.core.loaf.faults import FAULTS, fault_name
from gentle_crust.core.loaf.sheet import lengths_of, measured
from gentle_crust.core.messages import Message, message, named
from gentle_crust.core.oven.doneness import shade
from gentle_crust.core.plan.shown import Plan
from gentle_crust.kitchen import story as tale
from gentle_crust.kitchen.bench import each_g
from gentle_crust.kitchen.beside import DRAWN, LOAF_LINE, parts_of
from gentle_crust.kitchen.blind import letters_of
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.record_photos import photos_of
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.story import Story, Told, story_of
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Bakes, Sought
from gentle_crust.store.models import BakeRow
from gentle_crust.store.repositories import Cultures, Events

CAN_BE_CUT, STILL_KNOWN = timedelta(hours=1), timedelta(hours=36)
"""How long after the oven a loaf is asked about (practice)."""
SECOND_DAY, THIRD_DAY_ENDS = timedelta(hours=40), timedelta(hours=88)
"""When it is asked how a loaf keeps (practice)."""
EVERY = Sought()
"""All bakes of the log."""
AS_PLANNED_MIN = 10
"""A step so near to its hour was done as planned (practice)."""


class BakesBook:
    """All bakes of a kitchen."""

    def __init__(self, work: Work) -> None:
        self.work, self.now = work, work.now
        self.plans = PlanBook(work)

    def page(self, sought: Sought = EVERY, more: str = "") -> Page[BakeLine]:
        """Bakes that were begun and are sought, the latest first."""
        with self.work.read() as session:
            rows = Bakes(session).page(sought, place_of(more), PAGE + 1)
            lines = tuple(line_of(row, self.now()) for row in rows[:PAGE])
            last = (rows[PAGE - 1].latest, rows[PAGE - 1].id) if len(rows) > PAGE else None
        return Page(lines, written(last) if last else "")

    def asking(self) -> tuple[AskingLine, ...]:
        """Bakes of which something may be asked now, those still on the bench left out."""
        now = self.now()
        with self.work.read() as session:
            rows = Bakes(session).came_out(now - THIRD_DAY_ENDS, now)
            asked = [(row, _asks(row, now)) for row in rows if not row.on_bench(now)]
        return tuple(AskingLine(row.id, row.name, row.out, asks) for row, asks in asked if row.out and asks)

    def choices(self) -> Choices:
        """What the log can be searched by: formulas, cultures and faults of which it has something."""
        with self.work.read() as session:
            bakes, names = Bakes(session), Cultures(session).names()
            faults = bakes.faults()
            return Choices(
                formulas=tuple(Choice(key, name, many) for key, name, many in bakes.by_formula()),
                cultures=tuple(Choice(key, names.get(key, "?")) for key in bakes.cultures()),
                faults=tuple(FaultChoice(code, fault_name(code)) for code in FAULTS if code in faults),
                bakes=bakes.count(EVERY),
                removed=len(bakes.removed()),
            )

    def one(self, key: str) -> BakeRecord:
        """One bake's record. Raises CraftError if that was never begun."""
        saved = self.plans.open(key)
        with self.work.read() as session:
            story = story_of(Events(session).plain(*tale.ALL, subject=key))
            row = Bakes(session).get(key)
        if story.started is None or row is None:
            raise NotFound("id", "kitchen-bake-unknown")
        asked, plan = saved.answer.asked, saved.answer.plan
        parts = parts_of(plan, story)
        line, hidden = line_of(row, self.now()), letters_of(self.work, [key]).get(key, {})
        weighs = each_g(int(asked.pieces or 1), float(asked.scaling_weight_g or 0), story)
        return BakeRecord(
            line=line,
            each_g=weighs,
            vessel_id=story.happened.vessel_id or asked.vessel_id or "",
            steps=_steps(plan, story),
            readings=tuple(
                RecordReading(each.id, each.at, each.body["kind"], float(each.body["value"]))
                for each in story.of(bodies.READ)
            ),
            verdicts=tuple(_verdict(each) for each in story.of(bodies.JUDGED)),
            changes=tuple(
                RecordWords(each.id, each.at, str(each.body.get("sentence", ""))) for each in story.of(bodies.CHANGED)
            ),
            edits=tuple(RecordEdit(each.id, each.at, each.body) for each in story.of(bodies.EDITED)),
            notes=tuple(RecordWords(each.id, each.at, each.body["text"]) for each in story.of(bodies.NOTE)),
            photos=photos_of(story, hidden),
            outcomes=tuple(_outcome(each) for each in story.of(bodies.OUTCOME)),
            loaves=_loaves(story, saved.answer.formula.shape, weighs, hidden),
            parts=tuple(sorted(hidden.get(name, name) for name in parts)) if hidden else parts,
            lengths=lengths_of(saved.answer.formula.shape),
            days=self._days_since(row.out),
            unreadable=tuple(UnreadableEvent(each.id, each.kind, each.at) for each in story.unreadable),
        )

    def _days_since(self, out: datetime | None) -> int:
        """Midnights of the kitchen since the last loaf came out."""
        zone = zone_of(KitchenSettings(self.work).get().zone)
        return 0 if out is None else max((self.now().astimezone(zone).date() - out.astimezone(zone).date()).days, 0)


def line_of(row: BakeRow, now: datetime) -> BakeLine:
    """A bake as a list shows it."""
    return BakeLine(
        id=row.id,
        name=row.name,
        pieces=row.pieces,
        started=row.started,
        out=row.out,
        state="stopped" if row.stopped else "on_bench" if row.on_bench(now) else "baked",
        how=row.how,
        notes=row.notes,
        photos=row.photos,
        drawn=None if not row.drawn else DRAWN.read(row.drawn),
        loaf=None if not row.loaf else LOAF_LINE.read(row.loaf),
        formula_id=row.formula_id,
        version=row.version,
        faults=tuple(fault_name(code) for code in row.faults.split()),
        afterwards=row.afterwards,
        removed=row.removed,
    )


def _asks(row: BakeRow, now: datetime) -> Asks | None:
    """What may be asked of a bake: of a loaf that can be cut and was not judged; on its second and third day."""
    if row.out is None or row.stopped:
        return None
    since = now - row.out
    if not row.loaf:
        return "loaf" if CAN_BE_CUT <= since <= STILL_KNOWN else None
    on_its_days = SECOND_DAY <= since <= THIRD_DAY_ENDS
    return "keeping" if on_its_days and int(row.loaf.get("day", 0)) < since.days else None


def _steps(plan: Plan, story: Story) -> tuple[RecordStep, ...]:
    """What was done and left out, in order of time, each beside when it was planned for."""
    planned = dict(zip(keys(plan.steps), plan.steps, strict=True))
    told = {(str(each.body["key"]), each.at): each for each in story.of(bodies.STEP)}
    found = []
    for deed in story.happened.deeds:
        step = planned.get(deed.key)
        kind = "fold" if deed.key.startswith(EXTRA_FOLD) else deed.key.rsplit("-", 1)[0]
        title = _title(deed.key, kind) if step is None else step.title
        wanted = None if step is None else step.at + timedelta(minutes=step.minutes)
        late = None if wanted is None or deed.skipped else _late_min(deed.at, wanted)
        said = told[deed.key, deed.at]
        guessed = bool(said.body.get("guessed"))
        found.append(RecordStep(deed.key, kind, title, deed.at, wanted, deed.skipped, late, said.id, guessed))
    return tuple(found)


def _title(key: str, kind: str) -> Message:
    """What a step is called that the plan did not have."""
    if key.startswith(EXTRA_FOLD):
        return message("live-extra-fold")
    if kind in ("move", "back", "reshape"):
        return message({"move": "shown-step-move", "back": "live-back", "reshape": "live-reshape"}[kind])
    return message(f"course-step-{kind}") if kind in CODES else named(kind)


def _late_min(at: datetime, planned: datetime) -> int:
    late = round((at - planned) / timedelta(minutes=1))
    return 0 if abs(late) <= AS_PLANNED_MIN else late


def _verdict(told: Told) -> RecordVerdict:
    verdict = told.body["verdict"]
    action = verdict.get("action") or {}
    do = MESSAGE.validate_python(action.get("do") or "")
    return RecordVerdict(told.at, str(told.body["stage"]), str(verdict.get("verdict", "")), do)


def _loaves(story: Story, shape: str, dough_g: float, hidden: dict[str, str]) -> tuple[RecordLoaf, ...]:
    """Loaves judged, in order of time; what was said last of a loaf on a day stands. Parts go by ``hidden`` names."""
    told = [(each, bodies.SHEET.read(each.body)) for each in story.of(bodies.LOAF)]
    last = {(sheet.part, sheet.piece, sheet.day): each.id for each, sheet in told}
    return tuple(
        RecordLoaf(
            id=each.id,
            at=each.at,
            sheet=replace(sheet, part=hidden.get(sheet.part, sheet.part)),
            measured=measured(sheet, shape, dough_g),
            top=None if sheet.top_colour is None else shade(sheet.top_colour),
            base=None if sheet.base_colour is None else shade(sheet.base_colour),
            stands=each.id in last.values(),
        )
        for each, sheet in told
    )


def _outcome(told: Told) -> RecordOutcome:
    more = {name: value for name, value in told.body.items() if name != "how"}
    return RecordOutcome(told.id, told.at, str(told.body["how"]), more)
