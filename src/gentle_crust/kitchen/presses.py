"""Pressing at the bench: each press is checked, kept once, put right or taken back; all that is kept is events."""

from collections.abc import Callable
from contextlib import suppress
from dataclasses import dataclass, replace
from datetime import date, datetime, timedelta
from typing import Any
from zoneinfo import ZoneInfo

from gentle_crust.contract import events as bodies
from gentle_crust.contract.adapted import Adapted, as_declared
from gentle_crust.contract.asked import Asked
from gentle_crust.contract.events import Changed, is_step_key
from gentle_crust.contract.tidy import clean, sane
from gentle_crust.core import limits
from gentle_crust.core.bench.happened import check_order, milestones_of
from gentle_crust.core.bench.remedies import changed
from gentle_crust.core.clock import zone_of
from gentle_crust.core.crumb.read import SliceKept
from gentle_crust.core.culture.events import Event
from gentle_crust.core.errors import Conflict, CraftError, Infeasible, NotFound, Unreadable, called, within
from gentle_crust.core.fermentation.readings import Reading, check
from gentle_crust.core.loaf.photo_line import checked as line_checked
from gentle_crust.core.loaf.sheet import checked
from gentle_crust.core.readiness.judge import Question, Verdict, judge
from gentle_crust.core.readiness.outcome import looked
from gentle_crust.kitchen import states
from gentle_crust.kitchen import story as tale
from gentle_crust.kitchen.bench import ABSENT, LONGEST_AWAY, PRESENT, BenchBook
from gentle_crust.kitchen.beside import out_of, parts_of, write_bake
from gentle_crust.kitchen.blind import letters_of
from gentle_crust.kitchen.by_hand import HandBook, edit_body
from gentle_crust.kitchen.follow import Taken, mixed_of, value_of
from gentle_crust.kitchen.local_time import instant_of
from gentle_crust.kitchen.plans import PlanBook, SavedPlan
from gentle_crust.kitchen.settings import hour_of
from gentle_crust.kitchen.slices import SliceDesk
from gentle_crust.kitchen.story import CHANGE, Story, grown, story_of
from gentle_crust.kitchen.work import Work
from gentle_crust.store.models import EventRow
from gentle_crust.store.repositories import Events

OF_A_BAKE = {"core": (bodies.CORE, limits.BAKING_CORE_C), "oven": (bodies.OVEN, limits.BAKING_OVEN_C)}
"""What is read of a bake: its kind and its limits."""
MOST_WATER = 0.3
"""More water than this share of the flour is worked into no dough, nor held back: it is another recipe (practice)."""
LOOK_AGAIN = timedelta(minutes=15)
"""When a step that was not due yet is looked at again, if nobody says (practice)."""
LONG_GONE = timedelta(hours=6)
"""An hour that passed so long ago is meant for tomorrow."""
MOVES = (bodies.STARTED, bodies.CHANGED, bodies.EDITED)
"""Presses that set a dough's whole course: none is kept that it could not be carried on with."""
READING: Adapted[Taken] = Adapted(Taken)
VERDICT: Adapted[Verdict] = Adapted(Verdict)
QUESTION: Adapted[Question] = Adapted(Question)


@dataclass(frozen=True)
class Press:
    """Something that a baker pressed, under the client's own key: ``kind`` is one of :data:`story.PRESSES`."""

    id: str
    kind: str
    at: datetime
    body: dict[str, Any]


class _Once:
    """A saved plan that is looked up if it is needed at all, and then once."""

    def __init__(self, look_up: Callable[[], SavedPlan]) -> None:
        self.look_up = look_up
        self.found: SavedPlan | None = None

    def __call__(self) -> SavedPlan:
        """The plan."""
        if self.found is None:
            self.found = self.look_up()
        return self.found


class Presses:
    """Whatever is pressed at the bench."""

    def __init__(self, work: Work) -> None:
        self.work, self.now = work, work.now
        self.plans, self.bench = PlanBook(work), BenchBook(work)

    def start(self, key: str, event: str) -> None:
        """Bring a plan to the bench; pressed twice it is there once."""
        saved = self.plans.open(key)
        if saved.answer.plan.times is None:
            raise Infeasible("id", "kitchen-plan-too-old-to-start")
        with self.work.read() as session:
            story = story_of(Events(session).plain(*tale.ALL, subject=key))
        if story.started is not None and not story.on_bench(self.now()):
            raise Conflict("plan", "kitchen-plan-baked")
        self.press(key, (Press(event, bodies.STARTED, self.now(), {}),))

    def mixed(self, key: str, event: str, asked: Asked, mixed_at: datetime) -> None:
        """A dough that was mixed without a plan: it gets one that begins with it, and is on the bench.

        It is carried to now before anything is kept: what is refused leaves nothing behind.
        """
        sane(mixed_at, "mixed_at")
        if mixed_at > self.now() + timedelta(minutes=1):
            raise CraftError("mixed_at", "kitchen-mixed-in-future")
        if self.now() - mixed_at > timedelta(hours=24):
            raise CraftError("mixed_at", "kitchen-mixed-too-long-ago")
        with self.work.read() as session:
            there = Events(session).plain(bodies.STARTED, subject=key)
        if there:
            return
        pressed = (
            Press(event, bodies.STARTED, mixed_at, {}),
            Press(f"{event}-mix"[:60], bodies.STEP, mixed_at, {"key": "mix-1", "skipped": False}),
        )
        plan = self.plans.for_mixed(key, asked, mixed_at)
        self.bench.would_stand(plan, story_of([(each.id, each.kind, each.at, each.body) for each in pressed]))
        with self.work.write():
            self.plans.keep(plan)
            self.press(key, pressed)

    def _saved(self, key: str) -> SavedPlan:
        kept = self.plans.some([key])
        if not kept:
            raise NotFound("id", "kitchen-plan-not-here")
        return kept[0]

    def must_be_there(self, key: str) -> None:
        """Raise CraftError if that dough is not on the bench."""
        with self.work.read() as session:
            if not Events(session).plain(bodies.STARTED, subject=key):
                raise NotFound("id", "kitchen-dough-not-on-bench")

    def press(self, key: str, presses: tuple[Press, ...]) -> None:
        """Keep what was pressed; keys that are known already add nothing. All or nothing."""
        saved = _Once(lambda: self._saved(key))
        with self.work.write() as session:
            events = Events(session)
            known = events.keys(tuple(press.id for press in presses))
            story = story_of(events.plain(*tale.ALL, subject=key))
            for press in presses:
                if press.id in known:
                    continue
                sane(press.at, "at")
                before, body = story, self._checked(press, story, saved)
                events.add(EventRow(id=press.id, kind=press.kind, subject=key, at=press.at, body=body))
                story = grown(story, (press.id, press.kind, press.at, body))
                if any(each.id == press.id for each in story.unreadable):
                    raise Unreadable("body", "kitchen-what-pressed-cannot-kept")
                latest = max(self.now(), *(each.at for each in story.told))
                check_order(story.happened, latest, milestones_of(saved().answer.plan.steps))
                if press.kind in MOVES:
                    self._must_stand(key, before, story)
                self._took_culture(press, saved)
                self._taught_oven(key, press, body, story, saved)
            write_bake(session, key, story)
            if any(press.kind == bodies.STARTED for press in presses):
                states.let_go(session, "plan", key)

    def _must_stand(self, key: str, before: Story, after: Story) -> None:
        """Raise what a press would break; a dough that was broken before it is not the press's fault."""
        try:
            self.bench.one(key, after).carried()
        except Exception:
            try:
                self.bench.one(key, before).carried()
            except Exception:
                return
            raise

    def _took_culture(self, press: Press, saved: _Once) -> None:
        """Write into the culture's history what a levain took of it; one that will not have it holds up nothing."""
        key = str(press.body.get("key", ""))
        if press.kind != bodies.STEP or press.body.get("skipped") or not key.startswith("levain-"):
            return
        starter, builds = saved().answer.plan.starter, saved().answer.plan.levains
        number = int(key.removeprefix("levain-")) - 1
        if starter is None or number >= len(builds) or self.plans.cultures.is_away(starter.id):
            return
        event = Event(
            id=f"{press.id}-t"[:60], at_h=0.0, kind="taken", g=builds[number].seed_g, note=saved().answer.formula.name
        )
        with suppress(CraftError):
            self.plans.cultures.add(starter.id, {event.id: (press.at, event)})

    def _checked(self, press: Press, story: Story, saved: _Once) -> dict[str, Any]:
        """The body of a press as it is kept. Raises CraftError for one that cannot be."""
        if press.at > self.now() + timedelta(seconds=90) and story.told and press.at > story.told[-1].at:
            raise CraftError("at", "kitchen-done-in-future")
        if press.kind not in tale.PRESSES:
            raise Unreadable("kind", "kitchen-press-unknown", kind=press.kind)
        if press.kind != bodies.STARTED and story.started is None:
            raise NotFound("id", "kitchen-dough-not-on-bench")
        if press.kind == bodies.STARTED and story.started is not None:
            return {}
        keep = {
            bodies.STARTED: self._started, bodies.STEP: self._step, bodies.NOT_YET: self._until,
            bodies.SNOOZED: self._until, bodies.READ: self._reading, bodies.CHANGED: self._change,
            bodies.EDITED: self._edit, bodies.JUDGED: self._judged, bodies.NOTE: self._note,
            bodies.OUTCOME: self._outcome, bodies.PROBE: self._probe,
            bodies.LOAF: self._loaf, bodies.REMOVED: self._removed, bodies.PHOTO: self._photo,
            bodies.SCALED: self._scaled, bodies.SLICED: self._sliced, bodies.WATER: self._water,
        }.get(press.kind)  # fmt: skip
        if keep is None:
            return {}
        return keep(replace(press, body=clean(press.body)), story, saved)

    def _started(self, press: Press, story: Story, saved: _Once) -> dict[str, Any]:
        return {"cuts": max(sum(step.kind == "cut" for step in saved().answer.plan.steps), 1)}

    def _step(self, press: Press, story: Story, saved: _Once) -> dict[str, Any]:
        key = str(press.body.get("key", ""))
        if not is_step_key(key):
            raise Unreadable("key", "kitchen-step-unknown", key=key[:40])
        return {"key": key, "skipped": bool(press.body.get("skipped"))}

    def _until(self, press: Press, story: Story, saved: _Once) -> dict[str, Any]:
        key = str(press.body.get("key", ""))
        minutes = press.body.get("minutes", LOOK_AGAIN / timedelta(minutes=1))
        if not is_step_key(key):
            raise Unreadable("key", "kitchen-step-unknown", key=key[:40])
        if not isinstance(minutes, int | float) or not 1 <= minutes <= 720:
            raise CraftError("minutes", "kitchen-wait-length")
        until = (press.at + timedelta(minutes=float(minutes))).isoformat()
        return {"key": key, "until": until, "note": str(press.body.get("note", ""))[:300]}

    def _reading(self, press: Press, story: Story, saved: _Once) -> dict[str, Any]:
        plan = saved().answer.plan
        if press.body.get("measure") in OF_A_BAKE:
            return self._in_the_oven(press, story)
        mixed = mixed_of(plan, story)
        taken = as_declared(READING.read, press.body, "reading")
        kind, value = value_of(taken, plan)
        check(Reading((press.at - (mixed or press.at)) / timedelta(hours=1), kind, value, taken.sure))
        return {"kind": kind, "value": value, "sure": taken.sure}

    def _in_the_oven(self, press: Press, story: Story) -> dict[str, Any]:
        """A loaf's core, or the oven itself, read while it bakes."""
        if story.happened.done("load-1") is None:
            raise CraftError("measure", "kitchen-no-loaf-in-oven")
        kind, limit = OF_A_BAKE[press.body["measure"]]
        try:
            value = float(press.body["value"])
        except (KeyError, TypeError, ValueError):
            raise Unreadable("value", "kitchen-not-number", what=called(limit)) from None
        return {"kind": kind, "value": within("value", limit, value), "sure": True}

    def _change(self, press: Press, story: Story, saved: _Once) -> dict[str, Any]:
        as_declared(Changed.model_validate, press.body.get("change"), "change")
        change = as_declared(CHANGE.read, press.body["change"], "change")
        for name in ("at", "until", "load_at"):
            if (when := getattr(change, name)) is not None:
                sane(when, f"change.{name}")
        if change.code in ("reshape", "flatbread") and story.happened.done("shape-1") is None:
            raise CraftError("change.code", "kitchen-no-shaped-dough")
        if story.happened.done("load-1") is not None:
            raise Conflict("change.code", "kitchen-in-oven")
        changed(story.happened, change)
        return {
            "change": CHANGE.write(change),
            "sentence": str(press.body.get("sentence", ""))[:300],
        }

    def _edit(self, press: Press, story: Story, saved: _Once) -> dict[str, Any]:
        return edit_body(HandBook(self.work).edit(saved().id, press.body, press.at, story))

    def _judged(self, press: Press, story: Story, saved: _Once) -> dict[str, Any]:
        """A judgement as it was shown: what was asked, what was answered, and what it tells of the dough."""
        key, cues = saved().id, press.body.get("cues")
        if not isinstance(cues, dict) or not all(isinstance(each, str | int | float) for each in cues.values()):
            raise Unreadable("cues", "kitchen-cues-unreadable")
        question = self.bench.question(key, cues, press.body.get("stage"), story)
        verdict = judge(question)
        return {
            "stage": verdict.stage,
            "cues": cues,
            "asked": QUESTION.write(question),
            "verdict": VERDICT.write(verdict),
            "looked": self._looked(key, question, story),
        }

    def _looked(self, key: str, question: Question, story: Story) -> dict[str, Any] | None:
        """What a look tells of the leaven, as it is kept."""
        holds = self.bench.one(key, story).carried().plan.holds
        if holds is None:
            return None
        found = looked(question, 0.0, holds.bulk if question.stage == "bulk" else holds.shaped)
        return None if found is None else {"rises": list(found.rises), "shows": list(found.shows)}

    def _note(self, press: Press, story: Story, saved: _Once) -> dict[str, Any]:
        text = str(press.body.get("text", "")).strip()
        if not text:
            raise CraftError("text", "kitchen-note-empty")
        if len(text) > 2000:
            raise CraftError("text", "kitchen-note-length")
        return {"text": text}

    def _outcome(self, press: Press, story: Story, saved: _Once) -> dict[str, Any]:
        how = press.body.get("how")
        if how not in ("under", "right", "over"):
            raise CraftError("how", "kitchen-outcome-missing")
        more = {
            name: value
            for name, value in press.body.items()
            if name != "how" and len(name) <= 40 and isinstance(value, str | int | float | bool)
        }
        if any(isinstance(value, str) and len(value) > 2000 for value in more.values()) or len(more) > 12:
            raise CraftError("how", "kitchen-outcome-length")
        return {"how": how, **more}

    def _loaf(self, press: Press, story: Story, saved: _Once) -> dict[str, Any]:
        """A loaf judged: of this dough, out of the oven, and of one of its parts if of one."""
        if out_of(story) is None:
            raise Conflict("sheet", "loaf-not-baked")
        unknown = set(press.body) - bodies.OF_A_SHEET
        if unknown:
            raise Unreadable("sheet", "loaf-field-unknown", name=min(unknown)[:40])
        sheet = checked(as_declared(bodies.SHEET.read, press.body, "sheet"))
        sheet = replace(sheet, part=self._part(sheet.part, story, saved))
        return {name: value for name, value in bodies.SHEET.write(sheet).items() if value not in (None, "", [], ())}

    def _part(self, name: str, story: Story, saved: _Once) -> str:
        """A part of this dough by its name, or by the letter that it goes by in a blind trial; empty stays so."""
        letters = letters_of(self.work, [saved().id]).get(saved().id, {})
        real = {letter: part for part, letter in letters.items()}.get(name, name)
        if real and real not in parts_of(saved().answer.plan, story):
            raise CraftError("part", "loaf-part-unknown", part=name[:40])
        return real

    def _removed(self, press: Press, story: Story, saved: _Once) -> dict[str, Any]:
        """Taken out of the log: only what is over."""
        if story.on_bench(self.now()) or out_of(story) is None:
            raise Conflict("bake", "kitchen-bake-on-bench-still")
        return {}

    def _photo(self, press: Press, story: Story, saved: _Once) -> dict[str, Any]:
        """A photograph's size, and of which part of the dough it is, if of one."""
        size = {"width": int(press.body["width"]), "height": int(press.body["height"])}
        part = str(press.body.get("part") or "")
        return {**size, "part": self._part(part, story, saved)} if part else size

    def _scaled(self, press: Press, story: Story, saved: _Once) -> dict[str, Any]:
        """A line over one of this dough's photos."""
        photo = self._own_photo(press, story)
        line = line_checked(as_declared(bodies.LINE.read, press.body.get("line"), "line"))
        return {"photo": photo, "line": bodies.LINE.write(line)}

    def _sliced(self, press: Press, story: Story, saved: _Once) -> dict[str, Any]:
        """The slice on one of this dough's photos, measured here: nobody else's figures are kept."""
        photo = self._own_photo(press, story)
        try:
            width, shift = float(press.body.get("width_mm", "")), float(press.body.get("shift", 0.0))
        except (TypeError, ValueError):
            raise Unreadable("width_mm", "kitchen-not-number", what=called(limits.SLICE_MM)) from None
        read = SliceDesk(self.work).measure(photo, width, shift).read
        if not read.quality.usable:
            raise CraftError("photo", f"crumb-quality-{read.quality.why.replace('_', '-')}")
        return {"photo": photo, "slice": bodies.SLICE.write(SliceKept(width, shift, read))}

    def _water(self, press: Press, story: Story, saved: _Once) -> dict[str, Any]:
        """Water that was worked in beyond what was weighed, or held back."""
        try:
            more = float(press.body.get("more_g", ""))
        except (TypeError, ValueError):
            raise Unreadable("more_g", "kitchen-not-number", what=called(limits.WATER_MORE_G)) from None
        flour = saved().answer.plan.totals.flour_g
        if abs(more) > MOST_WATER * flour:
            raise CraftError("more_g", "kitchen-water-beyond", g=abs(more), most=MOST_WATER * flour)
        return {"more_g": within("more_g", limits.WATER_MORE_G, more)}

    def _own_photo(self, press: Press, story: Story) -> str:
        """The key of one of this dough's photos. Raises NotFound for any other."""
        photo = press.body.get("photo")
        if not any(each.id == photo for each in story.of(bodies.PHOTO)):
            raise NotFound("photo", "photo-line-photo-unknown")
        return str(photo)

    def _probe(self, press: Press, story: Story, saved: _Once) -> dict[str, Any]:
        return {"device": str(press.body.get("device", ""))[:60]}

    def _taught_oven(self, key: str, press: Press, body: dict[str, Any], story: Story, saved: _Once) -> None:
        """What a loaf's sheet tells of its oven is kept beside it."""
        if press.kind == bodies.LOAF:
            sheet = bodies.SHEET.read(body)
            self.plans.lessons.teach_from(press.id, key, lambda: self.plans.question(saved()), story, sheet)

    def withdraw(self, key: str, event: str, withdrawal: str) -> None:
        """Take something back; it stays on record and no longer counts. A step pressed twice is taken back whole."""
        with self.work.write() as session:
            events = Events(session).plain(*tale.ALL, subject=key)
            if not any(found == event for found, *_ in events):
                raise NotFound("id", "kitchen-press-not-here")
            body = {"event": event, "with": list(tale.same_step(story_of(events).told, event))}
            Events(session).add(EventRow(id=withdrawal, kind=bodies.WITHDRAWN, subject=key, at=self.now(), body=body))
            self.plans.lessons.forget(event, withdrawal)
            taken = [f"{each}-t"[:60] for each in (event, *body["with"])]
            taken = [each for each in taken if Events(session).get(each)]
            starter = self.plans.open(key).answer.plan.starter if taken else None
            for each in taken:
                if starter is not None:
                    with suppress(CraftError):
                        self.plans.cultures.withdraw(starter.id, each)
            write_bake(session, key)

    def correct(self, key: str, event: str, correction: str, at: datetime) -> None:
        """Say when something was really done."""
        if at > self.now() + timedelta(seconds=90):
            raise CraftError("at", "kitchen-done-in-future")
        with self.work.write() as session:
            events = Events(session)
            told = events.plain(*tale.ALL, subject=key)
            if not any(found == event for found, *_ in told):
                raise NotFound("id", "kitchen-press-not-here")
            body = {"event": event, "at": at.isoformat()}
            sane(at, "at")
            before, after = story_of(told), story_of([*told, (correction, bodies.CORRECTED, self.now(), body)])
            latest = max(self.now(), *(each.at for each in after.told))
            check_order(after.happened, latest, milestones_of(self._saved(key).answer.plan.steps))
            self._must_stand(key, before, after)
            events.add(EventRow(id=correction, kind=bodies.CORRECTED, subject=key, at=self.now(), body=body))
            write_bake(session, key, after)

    def when(self, text: str, field: str = "at") -> datetime:
        """The instant of a written time: with its offset, or by the kitchen's wall clock as 2026-11-29T07:30."""
        try:
            found = datetime.fromisoformat(text)
        except ValueError as error:
            raise Unreadable(field, "kitchen-not-time", text=text) from error
        return found if found.tzinfo is not None else instant_of(text, self._zone(), field)

    def hours_away(self, at: datetime, leave: str, back: str) -> tuple[datetime, datetime]:
        """The next such hours of the kitchen's day, 17:45 to 19:30, as seen ``at`` an instant."""
        zone = self._zone()
        day = at.astimezone(zone).date()
        start = self._on(day, leave, "from")
        if start < at - LONG_GONE:
            day += timedelta(days=1)
            start = self._on(day, leave, "from")
        end = self._on(day, back, "to")
        return start, end if end > start else self._on(day + timedelta(days=1), back, "to")

    def _on(self, day: date, hour: str, field: str) -> datetime:
        minutes = round(60 * hour_of(hour, field))
        return instant_of(f"{day}T{minutes // 60:02}:{minutes % 60:02}", self._zone(), field)

    def _zone(self) -> ZoneInfo:
        return zone_of(self.bench.settings.get().zone)

    def be_away(self, event: str, start: datetime, end: datetime) -> None:
        """Say that nobody is there from ``start`` to ``end``."""
        if not start < end <= start + LONGEST_AWAY:
            raise CraftError("end", "kitchen-absence-length")
        with self.work.write() as session:
            Events(session).add(EventRow(id=event, kind=ABSENT, subject="", at=start, body={"end": end.isoformat()}))

    def be_back(self, event: str) -> None:
        """Take an absence back."""
        with self.work.write() as session:
            body = {"event": event}
            Events(session).add(EventRow(id=f"{event}-w"[:60], kind=PRESENT, subject="", at=self.now(), body=body))
