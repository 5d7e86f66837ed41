"""The bench: doughs that are being baked, as their plans and all that happened to them make them stand now."""

import logging
from contextlib import suppress
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from functools import lru_cache
from statistics import median

from gentle_crust.contract import events as bodies
from gentle_crust.contract.bench import AwayNote, Probe, Score, SetAside
from gentle_crust.contract.tidy import sane
from gentle_crust.core import limits
from gentle_crust.core.bench.clashes import Absence, Clash, Taken, clashes, taken_by
from gentle_crust.core.bench.happened import Core
from gentle_crust.core.bench.live import Live, live
from gentle_crust.core.bench.remedies import Change, Remedy, changed, remedies, rescues
from gentle_crust.core.bench.standing import Standing, foretold_c, question_of, unforeseen
from gentle_crust.core.bench.under_way import Followed, Following, follow
from gentle_crust.core.clock import Clock
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.believed import Read
from gentle_crust.core.errors import CraftError, Infeasible, NotFound, within
from gentle_crust.core.fermentation.probe import Sample, listen
from gentle_crust.core.fermentation.targets import ShareTarget
from gentle_crust.core.messages import message
from gentle_crust.core.oven.equipment import Vessel
from gentle_crust.core.plan.shown import Plan
from gentle_crust.core.readiness.cues import Cue, Stage, cues_of
from gentle_crust.core.readiness.judge import Question, Verdict, judge
from gentle_crust.kitchen import story as tale
from gentle_crust.kitchen.follow import as_read, mixed_of, readings_of
from gentle_crust.kitchen.once import Known
from gentle_crust.kitchen.plans import PlanBook, SavedPlan
from gentle_crust.kitchen.question import vessel_of
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.story import Story, story_of
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Bakes
from gentle_crust.store.repositories import Events
from gentle_crust.store.samples import Samples

LOG = logging.getLogger(__name__)
ABSENT, PRESENT = bodies.ABSENT, bodies.PRESENT
SAGGED = timedelta(minutes=8)
"""So long after loading an oven is back at what it is set to."""
IN_A_LOAF_C = 35.0
"""Below this a probe is not in a loaf that bakes, or has nothing to say yet."""
HEARD_BACK = timedelta(hours=2)
"""So far back from its last figure a probe is weighed."""
LONGEST_AWAY = timedelta(days=7)
MOST_ASKED = 0.95
"""No greater share of its greatest volume is asked of a loaf, however early its baker calls one ready."""
MOST_BACK = timedelta(hours=26)
"""A clock that says so much less than it did is set back, not wrong by a day or more."""


@dataclass(frozen=True)
class OnBench:
    """One dough at the bench."""

    id: str
    name: str
    mind: str
    pieces: int
    each_g: float
    vessel: str
    vessel_kind: str
    rye_percent: float
    started: datetime
    mixed: datetime
    live: Live
    story: Story
    clashes: tuple[Clash, ...]
    probe: Probe | None


@dataclass(frozen=True)
class BenchView:
    """Everything at the bench. ``cursor`` changes whenever any of it does."""

    cursor: str
    now: datetime
    clock_back: bool
    """The clock says an earlier time than something that was done already: it was set back."""
    doughs: tuple[OnBench, ...]
    absences: tuple[AwayNote, ...]
    last: dict[str, datetime]
    """When each instrument was last heard of."""
    aside: tuple[SetAside, ...] = ()


@lru_cache(maxsize=64)
def _carried(planned: Known[Plan], asked: Asked, following: Following) -> tuple[Live, Followed]:
    """A dough carried on to a moment. All that it depends on is given, so it is reckoned once."""
    found = follow(planned.value, asked, following)
    return live(planned.value, found, following.happened, following.now or asked.now), found


@dataclass(frozen=True)
class Dough:
    """One dough with what is needed to carry it on."""

    key: str
    saved: SavedPlan
    story: Story
    asked: Asked
    vessel: Vessel
    following: Following
    mixed: datetime
    now: datetime
    probe: Probe | None

    def carried(self, following: Following | None = None) -> Live:
        """As it stands now, or as it would with another past."""
        return self._carried(following)[0]

    def _carried(self, following: Following | None = None) -> tuple[Live, Followed]:
        planned = Known(self.saved.mark, self.saved.answer.plan)
        return _carried(planned, self.asked, following or self.following)

    @property
    def each_g(self) -> float:
        """What a piece weighs, g."""
        return each_g(self.asked.pieces, float(self.saved.answer.asked.scaling_weight_g or 0), self.story)

    @property
    def followed(self) -> Followed:
        """Its course as it goes on, and how its stages stand."""
        return self._carried()[1]

    @property
    def clock(self) -> Clock:
        """The clock of the kitchen that it stands in."""
        return self._carried()[1].progress.solved.clock


class BenchBook:
    """All doughs that are being baked."""

    def __init__(self, work: Work) -> None:
        self.work, self.now = work, work.now
        self.plans = PlanBook(work)
        self.settings = KitchenSettings(work)

    # -- how it stands ---------------------------------------------------------------------------------------

    def cursor(self) -> str:
        """A text that changes whenever something at the bench may have: an event, a figure, or the minute."""
        with self.work.read() as session:
            newest, heard = Events(session).newest(), Samples(session).latest()
        return self._cursor(newest, max((at for _, _, at, _ in heard), default=None))

    def _cursor(self, newest: int, heard: datetime | None) -> str:
        return f"{newest}-{heard:%H%M%S}-{self.now():%d%H%M}" if heard else f"{newest}-{self.now():%d%H%M}"

    def view(self) -> BenchView:
        """Every dough at the bench, and what they run into together."""
        with self.work.read() as session:
            newest, heard = Events(session).newest(), Samples(session).latest()
            keys = tuple(Bakes(session).on_bench(self._minute()))
            plans, unread = self.plans.looked_up(keys)
            told = Events(session).about(keys, tale.ALL)
        stories = {key: story_of(told.get(key, [])) for key in keys}
        last = {device: at for device, _, at, _ in heard}
        cursor = self._cursor(newest, max(last.values(), default=None))
        minute = self._minute()
        asked = self.plans.asker()
        doughs: list[Dough] = []
        lives: dict[str, Live] = {}
        aside: list[SetAside] = []
        for broken in unread:
            if stories[broken.id].on_bench(minute):
                said = message("kitchen-plan-unreadable", why=broken.why)
                aside.append(SetAside(broken.id, broken.name, said))
        for plan in plans:
            if not stories[plan.id].on_bench(minute):
                continue
            try:
                dough = self._dough(plan, asked(plan), stories[plan.id], minute)
                lives[dough.key] = dough.carried()
                doughs.append(dough)
            except Exception as error:
                aside.append(_set_aside(plan, error))
        taken = {dough.key: taken_by(_name(dough), lives[dough.key], dough.now) for dough in doughs}
        away = self.absences()
        found = tuple(self._shown(dough, lives[dough.key], taken, away) for dough in doughs)
        back = any(dough.now > self.now() + timedelta(minutes=1) for dough in doughs)
        return BenchView(cursor, self.now(), back, found, away, last, tuple(aside))

    def _minute(self) -> datetime:
        return self.now().replace(second=0, microsecond=0)

    def _shown(self, dough: Dough, found: Live, taken: dict[str, Taken], away: tuple[AwayNote, ...]) -> OnBench:
        others = tuple(each for key, each in taken.items() if key != dough.key)
        absences = tuple(Absence(each.start, each.end) for each in away)
        asked, formula = dough.saved.answer.asked, dough.saved.answer.formula
        return OnBench(
            id=dough.key,
            name=_name(dough),
            mind=asked.mind or "",
            pieces=int(asked.pieces or 1),
            each_g=dough.each_g,
            vessel=dough.vessel.name,
            vessel_kind=dough.vessel.kind,
            rye_percent=100 * formula.blend("rye_fraction"),
            started=dough.story.started or dough.now,
            mixed=dough.mixed,
            live=found,
            story=dough.story,
            clashes=() if found.over else clashes(found, dough.clock, absences, others, dough.now),
            probe=dough.probe,
        )

    def _dough(self, saved: SavedPlan, asked: Asked, story: Story, now: datetime) -> Dough:
        """A dough as of ``now``, or of its last press, should the clock have been set back since."""
        plan = saved.answer.plan
        mixed = mixed_of(plan, story)
        if mixed is None or plan.times is None:
            raise Infeasible("id", "kitchen-plan-too-old-to-start")
        latest = story.told[-1].at if story.told else now
        now = max(now, min(latest, now + MOST_BACK))
        readings = as_read(readings_of(story, mixed), self.plans.learning.bias("eye"))
        oven_c = self._oven_heard(plan, story, now) if story.oven_c is None else story.oven_c
        if oven_c is not None:
            asked = _oven_as_read(asked, oven_c, plan.bake.preheat_c)
        following = Following(readings, story.looked(mixed), story.happened, now)
        vessel = _vessel(asked, story, vessel_of(saved.answer.asked, self.settings.get(), saved.answer.formula))
        dough = Dough(saved.id, saved, story, asked, vessel, following, mixed, now, None)
        device = story.last(bodies.PROBE)
        if device is None or not device.body.get("device"):
            return dough
        if story.happened.done("load-1") is not None:
            return self._with_core(dough, str(device.body["device"]))
        return self._with_probe(dough, str(device.body["device"]), max(device.at, mixed))

    def _with_probe(self, dough: Dough, device: str, since: datetime) -> Dough:
        """The dough with its thermometer heard, and its path corrected if that is to be believed."""
        with self.work.read() as session:
            heard = Samples(session).heard(device, "dough_c")
            last = dough.now if heard is None else min(heard, dough.now)
            rows = Samples(session).since(device, "dough_c", max(since, last - HEARD_BACK), dough.now)
        samples = tuple(Sample((at - dough.mixed) / timedelta(hours=1), value) for at, value in rows)
        before = (dough.now, dough.now - timedelta(minutes=30))
        carried = dough.carried()
        foretold = tuple(foretold_c(carried.plan, at) for at in before)
        now_h = (dough.now - dough.mixed) / timedelta(hours=1)
        says = listen(samples, foretold[0], foretold[1], now_h)
        told = tuple(
            Read(dough.mixed + timedelta(hours=max(each.at_h, 0.0)), "dough_c", each.celsius, True)
            for each in says.trusted[-1:]
        )
        following = dough.following
        if told and dough.story.happened.done("divide-1") is None and dough.story.happened.done("mix-1") is not None:
            merged = sorted((*following.readings, *told), key=lambda each: each.at)
            following = replace(following, readings=tuple(merged))
        return replace(dough, following=following, probe=Probe(device, says, rows[-1][0] if rows else None))

    def _oven_heard(self, plan: Plan, story: Story, now: datetime) -> float | None:
        """What an oven's thermometer shows in the first stage, once the door's draught is over, by fives; or None."""
        loaded = story.happened.done("load-1")
        if loaded is None:
            return None
        since, until = loaded + SAGGED, min(now, loaded + timedelta(minutes=plan.bake.touch_min))
        with self.work.read() as session:
            samples = Samples(session)
            devices = [device for device, quantity, at, _ in samples.latest() if quantity == "oven_c" and at >= since]
            shown = [value for device in devices for _, value in samples.since(device, "oven_c", since, until)]
        return None if len(shown) < 3 or until <= since else 5 * round(median(shown) / 5)

    def _with_core(self, dough: Dough, device: str) -> Dough:
        """The loaf with its thermometer heard: what it shows once it is in a warming loaf is the core."""
        loaded = dough.story.happened.done("load-1") or dough.now
        with self.work.read() as session:
            rows = Samples(session).since(device, "dough_c", loaded, dough.now)
        cores = tuple(Core(at, value) for at, value in rows[-1:] if IN_A_LOAF_C <= value <= 105)
        if not cores:
            return dough
        happened = replace(dough.story.happened, cores=(*dough.story.happened.cores, *cores))
        return replace(dough, following=replace(dough.following, happened=happened))

    # -- one dough -------------------------------------------------------------------------------------------

    def one(self, key: str, story: Story | None = None) -> Dough:
        """One dough as it stands now; with ``story``, as it would if that were all that happened."""
        saved = self.plans.some([key])
        if story is None:
            with self.work.read() as session:
                story = story_of(Events(session).plain(*tale.ALL, subject=key))
        if not saved or story.started is None:
            raise NotFound("id", "kitchen-dough-not-on-bench")
        return self._dough(saved[0], self.plans.question(saved[0]), story, self._minute())

    def would_stand(self, saved: SavedPlan, story: Story) -> None:
        """Carry a dough that is not kept yet to now. Raises CraftError if it cannot be."""
        dough = self._dough(saved, self.plans.question(saved), story, self._minute())
        _carried.__wrapped__(Known("", saved.answer.plan), dough.asked, dough.following)

    def remedies(self, key: str) -> tuple[tuple[Remedy, ...], tuple[Remedy, ...]]:
        """Ways out of what a dough runs into, and rescues for one that has gone over."""
        view = self.view()
        shown = next((each for each in view.doughs if each.id == key), None)
        if shown is None:
            raise NotFound("id", "kitchen-dough-not-on-bench")
        dough = self.one(key, shown.story)
        others = tuple(taken_by(each.name, each.live, dough.now) for each in view.doughs if each.id != key)
        away = tuple(Absence(each.start, each.end) for each in view.absences)

        def attempt(change: Change) -> tuple[Live, tuple[Clash, ...]]:
            happened = changed(dough.following.happened, change)
            found = dough.carried(replace(dough.following, happened=happened))
            return found, clashes(found, dough.clock, away, others, dough.now)

        ways: tuple[Remedy, ...] = ()
        if shown.clashes:
            ways = remedies(shown.live, dough.clock, dough.asked.kitchen.room.fridge_c, dough.now, attempt, away)
        return ways, rescues(shown.live, dough.now, attempt)

    def cues(self, key: str, stage: Stage | None = None) -> tuple[Standing, tuple[Cue, ...]]:
        """How a dough stands, and what can be looked at now."""
        question = self.question(key, {}, stage)
        stands = self.one(key).carried().standing
        found = stands if stands.stage == question.stage else unforeseen(question.stage)
        return found, cues_of(question.stage, question.dough)

    def judge(self, key: str, cues: dict[str, str | float], stage: Stage | None = None) -> Verdict:
        """Judge a dough by its forecast and what is seen; nothing is kept."""
        return judge(self.question(key, cues, stage))

    def question(
        self, key: str, cues: dict[str, str | float], stage: Stage | None = None, story: Story | None = None
    ) -> Question:
        """What is asked of a dough: at ``stage`` in place of the one that it is at, if that is given."""
        dough = self.one(key, story)
        stands = dough.carried().standing
        if stage is not None and stage != stands.stage:
            stands = unforeseen(stage)
        measured = dough.probe.says.celsius if dough.probe and dough.probe.says.doubt is None else None
        if "out_g" in cues:
            cues = _with_loss(cues, dough.each_g)
        answer = dough.saved.answer
        found = question_of(answer.plan, stands, dough.vessel.kind, answer.formula, measured, cues)
        return self._by_finger(found)

    def _by_finger(self, question: Question) -> Question:
        """The final proof's target moved for a baker who calls loaves ready early, or late, and wishes that minded."""
        finger = self.plans.learning.bias("finger") if question.stage == "final_proof" else 0.0
        target = question.share_target
        if not finger or target is None:
            return question
        moved = ShareTarget(min(target.low - finger, MOST_ASKED), min(target.high - finger, MOST_ASKED))
        return replace(question, share_target=moved)

    # -- absences, record, score -----------------------------------------------------------------------------

    def absences(self) -> tuple[AwayNote, ...]:
        """Times at which the baker is away, from now on."""
        with self.work.read() as session:
            told = Events(session).plain(ABSENT, PRESENT, subject="", since=self.now() - LONGEST_AWAY)
        gone = {body.get("event") for _, kind, _, body in told if kind == PRESENT}
        found = []
        for key, kind, at, body in told:
            if kind == ABSENT and key not in gone:
                with suppress(CraftError, KeyError, ValueError, TypeError):
                    found.append(AwayNote(key, at, sane(datetime.fromisoformat(body["end"]), "end")))
        return tuple(each for each in found if each.end > self.now())

    def record(self, key: str) -> tuple[SavedPlan, Story]:
        """A bake from its first press to its last, whatever became of it."""
        saved = self.plans.open(key)
        with self.work.read() as session:
            return saved, story_of(Events(session).plain(*tale.ALL, subject=key))

    def score(self) -> Score:
        """Of the final proofs that were judged before loading and tasted after, how many came out as judged."""
        with self.work.read() as session:
            return Score(*Bakes(session).score())


def each_g(pieces: int, planned_g: float, story: Story) -> float:
    """What a piece weighs, g: by the dough's weight when it was divided, if that was told."""
    found = story.happened.dough_g
    return planned_g if found is None else found / pieces


def _vessel(asked: Asked, story: Story, planned: Vessel) -> Vessel:
    """What it is baked in: as planned, or as it was changed by hand."""
    return next((each for each in asked.kitchen.vessels if each.id == story.happened.vessel_id), planned)


def _set_aside(plan: SavedPlan, error: Exception) -> SetAside:
    """What is said of a dough that cannot be carried on with; what was not foreseen is logged."""
    if isinstance(error, CraftError):
        return SetAside(plan.id, _name_of(plan), error.what)
    LOG.exception("dough %s cannot be carried on", plan.id)
    return SetAside(plan.id, _name_of(plan), message("kitchen-dough-failed"))


def _oven_as_read(asked: Asked, read_c: float, set_c: float) -> Asked:
    """The question with its oven as much hotter or cooler than its dial as a thermometer says."""
    off = max(min(round(read_c - set_c), 50), -50)
    oven = replace(asked.kitchen.oven, offset_k=float(off))
    return replace(asked, kitchen=replace(asked.kitchen, oven=oven))


def _with_loss(cues: dict[str, str | float], piece_g: float) -> dict[str, str | float]:
    """A loaf's weight out of the oven as what it lost of its dough."""
    rest = {cue: value for cue, value in cues.items() if cue != "out_g"}
    grams = within("out_g", limits.OUT_G, float(cues["out_g"]))
    if not piece_g / 2 <= grams <= piece_g:
        raise Infeasible("out_g", "kitchen-loaf-heavier-than-dough", grams=grams)
    return {**rest, "loss_percent": round(100 * (1 - grams / piece_g), 1)}


def _name(dough: Dough) -> str:
    return _name_of(dough.saved)


def _name_of(saved: SavedPlan) -> str:
    return saved.answer.formula.name
