"""Poolish, biga, sponge and old dough: yeast for the hours and temperatures that they will really have."""

from dataclasses import dataclass
from typing import Literal, get_args

import numpy as np

from gentle_crust.core import limits
from gentle_crust.core.cautions import Caution, caution
from gentle_crust.core.checks import TRUSTED_STEPS, too_small
from gentle_crust.core.clock import Clock
from gentle_crust.core.culture.events import Place
from gentle_crust.core.culture.life import carry
from gentle_crust.core.errors import CraftError, Unreadable, within
from gentle_crust.core.fermentation.dough import Makeup, flour_kinds
from gentle_crust.core.fermentation.engine import Trace, begin
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.uncertainty import ONE, Span, activities, bought, span
from gentle_crust.core.formula.model import YEAST_AS_INSTANT, FlourShare, YeastKind
from gentle_crust.core.formula.names import yeast_name
from gentle_crust.core.formula.scaling import Ingredient
from gentle_crust.core.leaven.build import jar_of, preferment_ripe_hours, spent_hours
from gentle_crust.core.leaven.preferment import usable_from
from gentle_crust.core.leaven.yeast_for import yeast_for
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import NOTHING, Message, message
from gentle_crust.core.tables import rows

DoseKind = Literal["poolish", "biga", "sponge", "old_dough"]
USUAL_HYDRATION = {"poolish": 100.0, "biga": 55.0, "sponge": 80.0, "old_dough": 66.0}
USUAL_HOURS = {"poolish": 12.0, "biga": 16.0, "sponge": 3.0, "old_dough": 12.0}
"""What each is usually mixed with and given (practice)."""
OLD_DOUGH_SALT = 2.0
LONGEST_H = 72.0
BEYOND_H = 10.0


@dataclass(frozen=True)
class DoseWish:
    """``needed_g`` of a preferment, mixed at ``start_h`` and ripe at ``ripe_h`` (hours from the clock's origin).

    From ``cold_from_h`` to ``cold_to_h`` it stands in the fridge, if those are given. ``mix_c``: as it is mixed.
    """

    kind: DoseKind
    needed_g: float
    start_h: float
    ripe_h: float
    hydration_percent: float | None = None
    flour_kind: str = "strong_white"
    yeast_kind: YeastKind = "instant"
    cold_from_h: float | None = None
    cold_to_h: float | None = None
    mix_c: float = 22.0
    scale_g: float = 1.0


@dataclass(frozen=True)
class DosePoint:
    """The preferment at one time: rise with its band and temperature."""

    at_h: float
    rise: float
    low: float
    high: float
    preferment_c: float


@dataclass(frozen=True)
class Dose:
    """What to stir together, when it is ripe and when past it, how to weigh the yeast, and how to tell."""

    flour_g: float
    water_g: float
    salt_g: float
    yeast_g: float
    """Of the yeast that was asked for."""
    yeast_percent: float
    yeast_name: Message
    hydration_percent: float
    ripe: Span
    spent: Span
    points: tuple[DosePoint, ...]
    weighing: Message
    """How to weigh what the scale cannot."""
    cues: Message
    cautions: tuple[Caution, ...]


@dataclass(frozen=True)
class _Standing:
    """Where the preferment stands."""

    stays: tuple[tuple[float, Place], ...]
    grams: float


def check(wish: DoseWish) -> None:
    """Raise CraftError for a preferment that nobody makes."""
    if wish.kind not in get_args(DoseKind):
        raise Unreadable("kind", "culture-preferment-unknown", kind=wish.kind, names=get_args(DoseKind))
    if wish.flour_kind not in flour_kinds():
        raise Unreadable("flour_kind", "culture-flour-unknown", flour_kind=wish.flour_kind, names=flour_kinds())
    within("needed_g", limits.PREFERMENT_NEEDED_G, wish.needed_g)
    within("ripe", Limit("time-until-it-is-ripe", 1.5, LONGEST_H, "h"), round(wish.ripe_h - wish.start_h, 2))
    within("mix_c", limits.MIX_C, wish.mix_c)
    if wish.hydration_percent is not None:
        within("hydration_percent", limits.PREFERMENT_WATER_PERCENT, wish.hydration_percent)
    if (wish.cold_from_h is None) != (wish.cold_to_h is None):
        raise CraftError("cold_to", "culture-fridge-one-end")
    cold = (wish.cold_from_h, wish.cold_to_h)
    if None not in cold and sorted((wish.start_h, *cold, wish.ripe_h)) != [wish.start_h, *cold, wish.ripe_h]:  # type: ignore[type-var]
        raise CraftError("cold_from", "culture-fridge-outside")


def dose(wish: DoseWish, clock: Clock) -> Dose:
    """Yeast that makes ``wish`` ripe on time, found by carrying it through its night. CraftError if none does."""
    check(wish)
    hydration = wish.hydration_percent or USUAL_HYDRATION[wish.kind]
    salt = OLD_DOUGH_SALT if wish.kind == "old_dough" else 0.0
    hours = wish.ripe_h - wish.start_h

    def ripe(percent: float) -> float:
        return float(preferment_ripe_hours(_trace(wish, hydration, salt, percent, clock, ONE))[0])

    def usable(percent: float) -> float:
        return float(usable_from(_trace(wish, hydration, salt, percent, clock, ONE))[0])

    percent = yeast_for(hours, ripe, usable, "ripe")
    return _dosed(wish, hydration, salt, percent, clock)


def _stays(wish: DoseWish) -> tuple[tuple[float, Place], ...]:
    if wish.cold_from_h is None or wish.cold_to_h is None:
        return ((wish.start_h, "counter"),)
    return ((wish.start_h, "counter"), (wish.cold_from_h, "fridge"), (wish.cold_to_h, "counter"))


def _makeup(wish: DoseWish, hydration: float, salt: float, percent: float) -> Makeup:
    return jar_of((FlourShare(wish.flour_kind, 100),), hydration, percent, salt)


def _trace(wish: DoseWish, hydration: float, salt: float, percent: float, clock: Clock, factors: Floats) -> Trace:
    jar = _makeup(wish, hydration, salt, percent)
    standing = _Standing(_stays(wish), wish.needed_g)
    return carry(jar, begin(jar, wish.mix_c, len(factors)), standing, wish.ripe_h + BEYOND_H, clock, factors)


def _dosed(wish: DoseWish, hydration: float, salt: float, percent: float, clock: Clock) -> Dose:
    trace = _trace(wish, hydration, salt, percent, clock, activities(bought()))
    flour = wish.needed_g / (1 + (hydration + salt + percent) / 100)
    yeast = flour * percent / 100 / YEAST_AS_INSTANT[wish.yeast_kind]
    line = Ingredient("yeast", yeast_name(wish.yeast_kind), wish.yeast_kind, yeast, percent, percent)
    check_ = too_small(wish.kind, line, wish.scale_g) if yeast < TRUSTED_STEPS * wish.scale_g else None
    middle = trace.rise.shape[1] // 2
    low, high = np.quantile(trace.rise, 0.1, axis=1), np.quantile(trace.rise, 0.9, axis=1)
    columns = (trace.rise[:, middle], np.minimum(low, trace.rise[:, middle]), np.maximum(high, trace.rise[:, middle]))
    points = tuple(
        DosePoint(float(wish.start_h + at), float(columns[0][i]), float(columns[1][i]), float(columns[2][i]), float(c))
        for i, (at, c) in enumerate(zip(trace.hours, trace.dough_c, strict=True))
    )
    return Dose(
        flour,
        flour * hydration / 100,
        flour * salt / 100,
        yeast,
        100 * yeast / flour,
        yeast_name(wish.yeast_kind),
        hydration,
        span(wish.start_h + preferment_ripe_hours(trace)),
        span(wish.start_h + spent_hours(trace)),
        points,
        NOTHING if check_ is None else check_.what,
        message(f"ripe-when-{wish.kind}"),
        (caution("jar"), caution("raw_dough")),
    )


@dataclass(frozen=True)
class Ripeness:
    """How likely a preferment is early, ripe or past it, the likeliest of them, and what to do."""

    early: float
    ripe: float
    past: float
    verdict: Literal["early", "ripe", "past"]
    why: tuple[Message, ...]
    do: Message


STATES = ("early", "ripe", "past")
LEAST_PRIOR = 0.1
"""A forecast may be quite wrong: no state is ever given up before it was looked at (practice)."""


def ripeness(ripe: Span, spent: Span, now_h: float, cues: dict[str, str]) -> Ripeness:
    """The verdict on a preferment from its forecast and what is seen: ``cues`` as in the table of preferment cues."""
    soon, late = ripe.low or 0.0, spent.high or (ripe.high or 0.0) + 6
    spread = max((late - soon) / 6, 0.3)
    before = 1 / (1 + np.exp((now_h - (ripe.likely or soon)) / spread))
    after = 1 / (1 + np.exp(((spent.likely or late) - now_h) / spread))
    weights = [max(float(part), LEAST_PRIOR) for part in (before, 1 - before - after, after)]
    said = []
    for row in rows("preferment_cues"):
        if cues.get(row["cue"]) == row["value"]:
            weights = [weight * float(row[state]) ** 0.7 for weight, state in zip(weights, STATES, strict=True)]
            said.append(message(f"cue-poolish-{row['cue']}-{row['value']}"))
    total = sum(weights)
    early, just, past = (weight / total for weight in weights)
    verdict = max(zip((early, just, past), STATES, strict=True))[1]
    hour = message("clock-early" if before > 0.5 else "clock-come")
    return Ripeness(early, just, past, verdict, (*said, hour), message(f"ripeness-{verdict}"))  # type: ignore[arg-type]
