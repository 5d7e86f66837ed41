"""Preferments and rye sours for this kitchen: asked by its wall clock, reckoned for its nights."""

from dataclasses import dataclass

from sqlalchemy.orm import Session, sessionmaker

from gentle_crust.core.clock import Clock
from gentle_crust.core.culture import dosing
from gentle_crust.core.culture.dosing import Dose, DoseKind, DoseWish, Ripeness
from gentle_crust.core.culture.sour import Sour, SourWish, sour
from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.uncertainty import unknown
from gentle_crust.core.formula.model import YeastKind
from gentle_crust.core.plan.shown import Night
from gentle_crust.kitchen.culture_view import nights_between
from gentle_crust.kitchen.cultures import CultureBook
from gentle_crust.kitchen.local_time import instant_of
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work

Sessions = sessionmaker[Session]


@dataclass(frozen=True)
class DoseAsked:
    """A preferment as a baker asks for it: times by the kitchen's wall clock."""

    kind: DoseKind
    needed_g: float
    start: str
    ripe: str
    hydration_percent: float | None = None
    flour_kind: str = "strong_white"
    yeast_kind: YeastKind = "instant"
    cold_from: str | None = None
    cold_to: str | None = None
    mix_c: float = 22.0


@dataclass(frozen=True)
class SourAsked:
    """A rye sour as a baker asks for it."""

    needed_g: float
    at: str
    stages: str = "three"
    flour_kind: str = "whole_rye"
    culture_id: str | None = None


def _hours(clock: Clock, text: str | None, field: str) -> float | None:
    return None if text is None else clock.hours(instant_of(text, clock.zone, field))


def _reckoned(work: Work, asked: DoseAsked) -> tuple[Clock, Dose]:
    clock = CultureBook(work).clock()
    wish = DoseWish(
        kind=asked.kind,
        needed_g=asked.needed_g,
        start_h=clock.hours(instant_of(asked.start, clock.zone, "start")),
        ripe_h=clock.hours(instant_of(asked.ripe, clock.zone, "ripe")),
        hydration_percent=asked.hydration_percent,
        flour_kind=asked.flour_kind,
        yeast_kind=asked.yeast_kind,
        cold_from_h=_hours(clock, asked.cold_from, "cold_from"),
        cold_to_h=_hours(clock, asked.cold_to, "cold_to"),
        mix_c=asked.mix_c,
        scale_g=KitchenSettings(work).get().scale_g,
    )
    return clock, dosing.dose(wish, clock)


def dose(work: Work, asked: DoseAsked) -> tuple[Clock, Dose, tuple[Night, ...]]:
    """Yeast for a preferment, with the nights that it stands through."""
    clock, made = _reckoned(work, asked)
    return clock, made, nights_between(clock, made.points[0].at_h, made.points[-1].at_h)


def ripeness(work: Work, asked: DoseAsked, cues: dict[str, str]) -> Ripeness:
    """Whether it is ripe now, by its forecast and what is seen."""
    _, made = _reckoned(work, asked)
    return dosing.ripeness(made.ripe, made.spent, 0.0, cues)


def lead_sour(work: Work, asked: SourAsked) -> tuple[Clock, Sour, tuple[Night, ...]]:
    """A rye sour led back from the time at which it is wanted."""
    book = CultureBook(work)
    clock = book.clock()
    at_h = clock.hours(instant_of(asked.at, clock.zone, "at"))
    if at_h < 0:
        raise CraftError("at", "kitchen-wanted-past")
    vigour = book.starter(asked.culture_id).vigour if asked.culture_id else unknown()
    made = sour(SourWish(asked.needed_g, at_h, asked.stages, asked.flour_kind), clock, vigour)  # type: ignore[arg-type]
    return clock, made, nights_between(clock, made.begins_h, at_h)
