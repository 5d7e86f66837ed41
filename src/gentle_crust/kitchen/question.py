"""What a baker asks of a plan, as the core takes it: completed from formula and kitchen."""

from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta
from typing import Any

from gentle_crust.contract.asked import Asked
from gentle_crust.contract.kitchen import Settings
from gentle_crust.core import limits
from gentle_crust.core.clock import Room, Stand, zone_of
from gentle_crust.core.course.ask import Asked as CourseAsked
from gentle_crust.core.course.ask import Kitchen
from gentle_crust.core.course.fill import usual_cool_min
from gentle_crust.core.course.method import Baking, Method, days_later, with_pieces
from gentle_crust.core.course.plan import CoursePlan, plan
from gentle_crust.core.course.styles import OWN, fitting, method_for, own_method, style_of
from gentle_crust.core.course.tailored import Tailoring, bakes_in, tailored, with_bake
from gentle_crust.core.course.taken import Taken
from gentle_crust.core.course.written import method_of
from gentle_crust.core.errors import CraftError, Unreadable, within
from gentle_crust.core.fermentation.targets import SCHOOLS
from gentle_crust.core.formula.edit import with_levain_share, with_yeast, with_yeast_beside
from gentle_crust.core.formula.feel import feel
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.learning.learnt import NOTHING_LEARNT, LearntHere
from gentle_crust.core.leaven.starter import Starter
from gentle_crust.core.limits import Limit
from gentle_crust.core.oven.equipment import Vessel, fits
from gentle_crust.core.oven.kit import Steam, steam_of
from gentle_crust.core.plan.tell import Wanted
from gentle_crust.kitchen.local_time import instant_of
from gentle_crust.kitchen.settings import nights

LONGEST_AHEAD = timedelta(days=14)
ALWAYS = datetime(1970, 1, 1, tzinfo=UTC)
USUAL_GAP_MIN = 30.0
AS_METHOD = "as_method"
"""In place of one vessel: each part is baked in what its method names."""


@dataclass(frozen=True)
class Behind:
    """What a question is asked with: the kitchen, the formula as it is, the culture, when it is asked, and around
    what other doughs take. ``learnt_k``: what ways of mixing add to a dough here, where it was measured."""

    settings: Settings
    formula: Formula
    starter: Starter | None
    now: datetime
    learnt_k: tuple[tuple[str, float], ...] = ()
    taken: tuple[Taken, ...] = ()


def completed(asked: Asked, settings: Settings, formula: Formula) -> Asked:
    """Fill what was left out, but for the time it should be ready."""
    asked = replace(asked, style=_style_for(settings, formula, asked))
    default: dict[str, Any] = {
        "pieces": formula.pieces,
        "scaling_weight_g": formula.scaling_weight_g,
        "vessel_id": _vessel_for(settings, formula, asked),
        "dough_c": formula.dough_c,
        **{name: getattr(settings, name) for name in ("room_day_c", "room_night_c", "fridge_c", "tap_c")},
        **{name: getattr(settings, name) for name in ("sleep_from", "sleep_to", "zone")},
    }
    return replace(asked, **{name: value for name, value in default.items() if getattr(asked, name) is None})


def _style_for(settings: Settings, formula: Formula, asked: Asked) -> str | None:
    """The style that was asked for; without one, and without a method, the one that suits the formula."""
    gone = asked.style == OWN and formula.method is None
    if asked.method is not None or (asked.style is not None and not gone):
        return asked.style
    able = fitting(formula, settings.vessels)
    return able[0].id if able else "room_steady"


def _vessel_for(settings: Settings, formula: Formula, asked: Asked) -> str:
    """What the method says it is baked in; else the kitchen's first vessel that this loaf fits."""
    named = _named_by(formula, asked)
    if named:
        found = {_of_kitchen(vessel, settings) for vessel in named}
        own = found.pop() if len(found) == 1 else None
        return AS_METHOD if own is None else own.id
    return _first_able(settings, formula, asked).id


def _first_able(settings: Settings, formula: Formula, asked: Asked) -> Vessel:
    """The kitchen's first vessel that this loaf fits."""
    weight = asked.scaling_weight_g or formula.scaling_weight_g
    able = [vessel for vessel in settings.vessels if not fits(vessel, formula.shape, weight)]
    if formula.shape == "slipper":
        able = [vessel for vessel in able if vessel.kind == "tray"] or able
    return able[0] if able else settings.vessels[0]


def _of_kitchen(named: Vessel, settings: Settings) -> Vessel | None:
    """The kitchen's own vessel of that name, or of that kind."""
    own = [vessel for vessel in settings.vessels if vessel.id == named.id]
    return next(iter(own or [vessel for vessel in settings.vessels if vessel.kind == named.kind]), None)


def _named_by(formula: Formula, asked: Asked) -> tuple[Vessel, ...]:
    """What the baker's own method, or the formula's, says that it is baked in; nothing if it cannot be read."""
    try:
        if asked.method is not None:
            return bakes_in(method_of(asked.method, formula))
        return bakes_in(own_method(formula)) if asked.style == OWN else ()
    except CraftError:
        return ()


def asked_formula(formula: Formula, asked: Asked) -> Formula:
    """The formula with the levain's share and the yeast that were asked for."""
    if asked.levain_percent is not None:
        formula = with_levain_share(formula, asked.levain_percent)
    if asked.yeast_percent is not None:
        formula = with_yeast(formula, asked.yeast_percent)
    return with_yeast_beside(formula, asked.yeast_supplement_percent)


def course_question(asked: Asked, behind: Behind) -> CourseAsked:
    """The core's question from a completed one. Raises CraftError that names a field which no kitchen has so."""
    _check(asked)
    settings, formula = behind.settings, asked_formula(behind.formula, asked)
    zone = zone_of(asked.zone or settings.zone)
    vessel = None if asked.vessel_id == AS_METHOD else vessel_of(asked, settings, formula)
    tailoring = _tailoring(asked, formula, vessel)
    method = _method(asked, formula, tailoring)
    learnt = asked.learnt or NOTHING_LEARNT
    kitchen = Kitchen(
        zone=zone.key,
        room=_room(asked, learnt),
        nights=nights(asked.sleep_from or "", asked.sleep_to or ""),
        oven=settings.oven,
        vessels=settings.vessels,
        steam=tuple(steam_of(Steam(kind)) for kind in settings.steam),
        tap_c=float(asked.tap_c or 0),
        hot_tap_c=settings.hot_tap_c,
        altitude_m=settings.altitude_m,
        scale_g=settings.scale_g,
        fridge_l=settings.fridge_l,
        learnt_k=behind.learnt_k,
        yeast_strength=1.0 if asked.yeast_strength is None else float(asked.yeast_strength),
    )
    return CourseAsked(
        formula=formula,
        method=method,
        kitchen=kitchen,
        pieces=int(asked.pieces or 0),
        scaling_weight_g=float(asked.scaling_weight_g or 0),
        dough_c=float(asked.dough_c or 0),
        now=behind.now,
        ready=_ready(asked, method, formula, behind.now),
        lively=asked.culture == "lively",
        starter=behind.starter,
        school=asked.school,
        taken=behind.taken,
        style="" if asked.method is not None else asked.style or "",
        stands=() if asked.stand_c is None else (Stand(ALWAYS, None, asked.stand_c),),
        tailoring=tailoring,
        learnt=learnt,
    )


def _room(asked: Asked, learnt: LearntHere) -> Room:
    """The kitchen's warmth as it is said to be, moved by what its bakes have taught of it."""
    fridge = _moved(asked.fridge_c, learnt.fridge_k, limits.FRIDGE_C)
    return Room(float(asked.room_day_c or 0), float(asked.room_night_c or 0), fridge, learnt.room_k)


def _moved(said: float | None, by: float, limit: Limit) -> float:
    """A warmth moved by so many K, but never to where no kitchen is."""
    value = float(said or 0)
    return min(max(value + by, limit.low), limit.high) if by else value


def wanted(asked: Asked, settings: Settings) -> Wanted:
    """When the bread is wanted, and what that means."""
    zone = zone_of(asked.zone or settings.zone)
    return Wanted(None if asked.ready is None else instant_of(asked.ready, zone, "ready"), asked.ready_means == "cut")


def vessel_of(asked: Asked, settings: Settings, formula: Formula) -> Vessel:
    """The vessel that was asked for, or that the method names first."""
    if asked.vessel_id == AS_METHOD:
        named = next(iter(_named_by(formula, asked)), None)
        if named is None:
            return _first_able(settings, formula, asked)
        return _of_kitchen(named, settings) or named
    vessel = next((vessel for vessel in settings.vessels if vessel.id == asked.vessel_id), None)
    if vessel is None:
        raise CraftError("vessel_id", "kitchen-plan-vessel-gone")
    return vessel


def _check(asked: Asked) -> None:
    pieces = int(asked.pieces or 0)
    within("pieces", limits.PIECES, pieces)
    within("later_pieces", Limit("pieces-kept-for-another-day", 0, pieces - 1, ""), asked.later_pieces)
    within("later_days", limits.LATER_DAYS, asked.later_days)
    within("fridge_days", limits.FRIDGE_DAYS, asked.fridge_days)
    if asked.stand_c is not None:
        within("stand_c", limits.STAND_C, asked.stand_c)
    if asked.folds is not None:
        within("folds", limits.FOLDS, asked.folds)
    if asked.school != "by_dough" and asked.school not in SCHOOLS:
        raise Unreadable("school", "scheduling-school-unknown", school=asked.school, names=tuple(SCHOOLS))


def _tailoring(asked: Asked, formula: Formula, vessel: Vessel | None) -> Tailoring:
    """What was asked for otherwise than any style has it."""
    every_min = float(feel(formula).fold_every_min or USUAL_GAP_MIN)
    return Tailoring(vessel, asked.folds, every_min, asked.fridge_days, asked.later_pieces, asked.later_days)


def _method(asked: Asked, formula: Formula, tailoring: Tailoring) -> Method:
    """The style's method, or the baker's own, with what was asked otherwise."""
    if asked.method is not None:
        method = method_of(asked.method, formula)
    else:
        method = method_for(style_of(asked.style or "room_steady", formula), formula)
        method = with_pieces(method, int(asked.pieces or 0))
    chosen = tailoring.vessel
    if chosen is not None and any(chosen.id != named.id and chosen.kind != named.kind for named in bakes_in(method)):
        # Another vessel was asked for: what was heated, poured and set was for the method's own.
        method = with_bake(method, Baking())
    return tailored(method, tailoring, int(asked.pieces or 0))


def _ready(asked: Asked, method: Method, formula: Formula, now: datetime) -> tuple[tuple[str, datetime], ...]:
    """When each part is to leave the oven: cool enough to cut when it is wanted, if that was meant; later ones on
    their own day."""
    if asked.ready is None:
        return ()
    first = _moment(asked, asked.ready, "ready", formula, now)
    names = [name for name, _ in method.paths]
    days = days_later(method)
    if asked.later_pieces and len(names) == 2:
        days = {names[1]: asked.later_days}
    own = asked.ready_parts or {}
    return tuple(
        (name, _moment(asked, own[name], f"ready_parts.{name}", formula, now))
        if place and name in own
        else (name, first + timedelta(days=days.get(name, 0)))
        for place, name in enumerate(names)
    )


def _moment(asked: Asked, text: str, field: str, formula: Formula, now: datetime) -> datetime:
    """When a part leaves the oven, of the time that was written; CraftError naming ``field`` for one out of reach."""
    at = instant_of(text, zone_of(asked.zone or "UTC"), field)
    if not timedelta(0) < at - now < LONGEST_AHEAD:
        raise CraftError(field, "scheduling-wanted-out-of-span")
    return at - timedelta(minutes=usual_cool_min(formula)) if asked.ready_means == "cut" else at


def field_of(error: CraftError) -> CraftError:
    """An error of the core's question by the name of the field that the page asked with."""
    names = {"kitchen.sleep": "sleep_from", "method.stages": "method"}
    field = error.field.removeprefix("kitchen.") if error.field not in names else names[error.field]
    if field == error.field:
        return error
    return type(error)(field, error.what.code, **error.what.values)


@contextmanager
def _by_page_names() -> Iterator[None]:
    """What is wrong with the core's question, said by the page's own names."""
    try:
        yield
    except CraftError as error:
        raise field_of(error) from error


def question_of(asked: Asked, behind: Behind) -> CourseAsked:
    """The core's question, what is wrong with it said by the page's own names."""
    with _by_page_names():
        return course_question(asked, behind)


def plan_of(asked: Asked, behind: Behind) -> CoursePlan:
    """A completed question planned, what is wrong with it said by the page's own names."""
    with _by_page_names():
        return plan(course_question(asked, behind))
