"""Plans as tests ask for them: a formula wanted by a time, in a kitchen; and the same dough at the bench."""

from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta

from gentle_crust.core.bench.happened import Deed, Happened, keys
from gentle_crust.core.bench.live import Live, live
from gentle_crust.core.bench.under_way import Followed, Following, follow
from gentle_crust.core.clock import Clock, Nights, Room, Stand, zone_of
from gentle_crust.core.course.ask import Asked, Kitchen
from gentle_crust.core.course.baking import filled_bake
from gentle_crust.core.course.fill import usual_cool_min
from gentle_crust.core.course.method import Baking, Method
from gentle_crust.core.course.plan import CoursePlan, plan
from gentle_crust.core.course.styles import method_for, style_of
from gentle_crust.core.course.tailored import Tailoring, tailored
from gentle_crust.core.formula.feel import feel
from gentle_crust.core.formula.model import FlourShare, Formula
from gentle_crust.core.messages import Message
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.oven.kit import Steam, steam_of
from gentle_crust.core.plan.bake_shown import bake_shown
from gentle_crust.core.plan.shown import Plan, Step
from gentle_crust.core.plan.tell import Wanted, tell
from gentle_crust.text.reading import Reading
from gentle_crust.text.render import PLAIN, say

ALWAYS = datetime(1970, 1, 1, tzinfo=UTC)
STYLES = {"room": "room_steady", "cold": "cold_shaped"}


def kitchen(zone: str, room: Room, nights: Nights, oven: Oven, *, vessels=(), steam=("hot_pan", "mist_loaf"), **more):
    """A kitchen with its ways to steam by their kinds."""
    kinds = tuple(steam_of(Steam(kind)) for kind in steam)
    return Kitchen(zone, room, nights, oven, vessels, kinds, **more)


@dataclass(frozen=True)
class Wish:
    """A formula wanted by a time; ``proof`` is the room or the fridge, unless a ``style`` is named."""

    formula: Formula
    pieces: int
    scaling_weight_g: float
    ready: datetime | None
    proof: str
    vessel: Vessel
    dough_c: float
    lively: bool = True
    fridge_days: int = 0
    school: str = "by_dough"
    folds: int | None = None
    later_pieces: int = 0
    later_days: int = 1
    stand_c: float | None = None
    means_cut: bool = False
    style: str = ""


def question(wish: Wish, where: Kitchen, now: datetime) -> Asked:
    """The core's question for a wish."""
    style = wish.style or STYLES[wish.proof]
    every_min = float(feel(wish.formula).fold_every_min or 30)
    own = Tailoring(wish.vessel, wish.folds, every_min, wish.fridge_days, wish.later_pieces, wish.later_days)
    method = tailored(method_for(style_of(style), wish.formula), own, wish.pieces)
    ready = wish.ready
    if ready is not None and wish.means_cut:
        ready -= timedelta(minutes=usual_cool_min(wish.formula))
    names = [name for name, _ in method.paths]
    later = timedelta(days=wish.later_days)
    return Asked(
        formula=wish.formula, method=method, kitchen=where, pieces=wish.pieces,
        scaling_weight_g=wish.scaling_weight_g, dough_c=wish.dough_c, now=now,
        ready=() if ready is None else tuple((name, ready + later * place) for place, name in enumerate(names)),
        lively=wish.lively, school=wish.school, style=style,
        tailoring=own,
        stands=() if wish.stand_c is None else (Stand(ALWAYS, None, wish.stand_c),),
    )  # fmt: skip


def course(wish: Wish, where: Kitchen, now: datetime) -> CoursePlan:
    """The course planned."""
    return plan(question(wish, where, now))


def make_plan(wish: Wish, where: Kitchen, now: datetime) -> Plan:
    """The plan as it is shown."""
    return tell(course(wish, where, now), Wanted(wish.ready, wish.means_cut))


def said(what: Message, reading: Reading = PLAIN) -> str:
    """A message as its sentence."""
    return str(say(what, reading))


def codes(made: Plan) -> set[str]:
    """The codes of a plan's problems."""
    return {problem.code for problem in made.problems}


def steps_of(made: Plan, kind: str) -> list[Step]:
    """The steps of one kind."""
    return [step for step in made.steps if step.kind == kind]


class Bench:
    """One dough of one plan, to be asked at any hour."""

    def __init__(self, wish: Wish, where: Kitchen, made_at: datetime) -> None:
        self.asked = question(wish, where, made_at)
        self.saved = tell(plan(self.asked), Wanted(wish.ready))
        self.clock = Clock(made_at, zone_of(where.zone), where.nights, where.room)

    def followed(self, now=None, happened=None, readings=(), looked=()) -> Followed:
        """The plan as it goes on."""
        given = Following(tuple(readings), tuple(looked), happened or Happened(), now)
        return follow(self.saved, self.asked, given)

    def at(self, now, happened=None, readings=(), looked=()) -> Live:
        """The dough as it stands at an instant."""
        happened = happened or Happened()
        return live(self.saved, self.followed(now, happened, readings, looked), happened, now)

    def step(self, key) -> Step:
        """A step of the plan by its key."""
        return dict(zip(keys(self.saved.steps), self.saved.steps, strict=True))[key]

    def deed(self, key, late_min=0, **more) -> Deed:
        """A step done as planned, or so much later."""
        step = self.step(key)
        return Deed(key, step.at + timedelta(minutes=step.minutes + late_min), **more)

    def begun(self, late_min=0) -> Happened:
        """A dough that was mixed, late by so much."""
        return Happened((self.deed("levain-1"), self.deed("mix-1", late_min)))

    def with_done(self, happened: Happened, *done: Deed) -> Happened:
        """What happened, and more."""
        return replace(happened, deeds=(*happened.deeds, *done))


def baked_in(vessel: Vessel, oven: Oven, shape: str, weight_g: float, pieces: int, rye: float, cold: bool):
    """The bake of plain pieces in a vessel, as a plan shows it."""
    flours = (FlourShare("whole_rye", 100 * rye), FlourShare("strong_white", 100 * (1 - rye)))
    formula = Formula("Loaf", tuple(each for each in flours if each.percent), 72, 2, shape)
    where = kitchen("UTC", Room(22, 19, 4), Nights(22.5, 6.5), oven, vessels=(vessel,))
    asked = Asked(formula, Method(()), where, pieces, weight_g, 25, ALWAYS)
    return bake_shown(filled_bake(asked, Baking(vessel=vessel), pieces, cold), pieces, usual_cool_min(formula))
