"""How a culture is: what the forecast expects, weighed with what is seen, smelt and floated; with reasons."""

from dataclasses import dataclass
from math import log
from statistics import NormalDist
from typing import Literal

from gentle_crust.core.cautions import Caution, caution
from gentle_crust.core.culture.events import Event, Place
from gentle_crust.core.culture.life import FRESH_H, Life
from gentle_crust.core.culture.seen import LEAST_PRIOR, PHASES, Phases, outdated
from gentle_crust.core.fermentation.uncertainty import Vigour
from gentle_crust.core.messages import Message, message
from gentle_crust.core.tables import rows

HealthCode = Literal["thriving", "sluggish", "past_peak", "hungry", "contaminated", "beginning"]
TEMPER = 0.7
"""Cues repeat each other: each counts as this power of its likelihood (practice)."""
FALLEN_BITS = 3.0
"""How much it says that a height on the glass was lower than one before (practice)."""
SLOW = 0.8
SURE_OF_SLOW = 0.7


@dataclass(frozen=True)
class Reason:
    """One thing that speaks for the verdict (positive weight, in bits) or against it, in words."""

    says: Message
    weight: float


@dataclass(frozen=True)
class Health:
    """The verdict, how likely each phase is, why, and what to do."""

    code: HealthCode
    phases: Phases
    why: tuple[Reason, ...]
    do: Message
    cautions: tuple[Caution, ...] = ()


def weigh_cues(prior: Phases, cues: dict[str, str]) -> Phases:
    """Phases after ``cues`` (cue to value), by Bayes with tempered likelihoods of the table of cues."""
    weights = [max(getattr(prior, phase), LEAST_PRIOR) for phase in PHASES]
    for row in rows("culture_cues"):
        if cues.get(row["cue"]) == row["value"]:
            weights = [weight * float(row[phase]) ** TEMPER for weight, phase in zip(weights, PHASES, strict=True)]
    total = sum(weights)
    return Phases(*(weight / total for weight in weights))


def fresh_cues(looks: tuple[Event, ...], now_h: float, fell_at_h: float | None = None) -> dict[str, str]:
    """The latest of each cue that is not too old to tell of now, nor of a culture that has fallen since."""
    found: dict[str, str] = {}
    for look in sorted(looks, key=lambda each: each.at_h):
        if now_h - look.at_h <= FRESH_H:
            for cue in ("surface", "floated", "smell", "liquid"):
                value = getattr(look, cue)
                if value is not None and not outdated(cue, look.at_h, fell_at_h):
                    found[cue] = value
    return found


def spoilt(looks: tuple[Event, ...]) -> bool:
    """Whether the last look at its growth was anything but clean, or it smelt rotten since."""
    told = [look for look in looks if look.growth is not None or look.smell == "rotten"]
    return bool(told) and is_foul(told[-1].growth, told[-1].smell)


def is_foul(growth: object, smell: object) -> bool:
    """Whether such a growth (None: not looked at) or smell means that a culture is to be thrown away."""
    return growth not in (None, "clean") or smell == "rotten"


def sluggish(vigour: Vigour, strength: float) -> bool:
    """Whether it is fairly sure that it takes a quarter longer than usual or more."""
    return NormalDist(log(vigour.likely * strength), vigour.sigma).cdf(log(SLOW)) > SURE_OF_SLOW


def health(life: Life, looks: tuple[Event, ...], now_h: float = 0.0, lives: Place = "counter") -> Health:
    """The verdict on a culture at ``now_h``; ``looks`` are those since its last feed, ``lives`` where it rests."""
    cues = fresh_cues(looks, now_h, life.fell_at_h)
    phases = weigh_cues(life.phases, cues)
    if spoilt(looks):
        foul = Reason(message("health-spoilt-why"), 9.0)
        do = message("health-spoilt")
        return Health("contaminated", phases, (foul,), do, (caution("mould"),))
    likeliest = max(PHASES, key=lambda phase: getattr(phases, phase))
    slow = sluggish(life.vigour, life.forecast.strength)
    codes: dict[str, HealthCode] = {"rising": "thriving", "ripe": "thriving", "past": "past_peak", "hungry": "hungry"}
    code = codes[likeliest]
    if slow and code == "thriving":
        code = "sluggish"
    why = (
        *_of_falling(life, looks, likeliest),
        *_cue_reasons(cues, likeliest),
        _by_the_clock(life, likeliest),
        *_of_vigour(life, slow),
    )
    return Health(code, phases, why, _do(code, likeliest, life, lives), (caution("jar"),))


def _cue_reasons(cues: dict[str, str], phase: str) -> tuple[Reason, ...]:
    found = []
    for row in rows("culture_cues"):
        if cues.get(row["cue"]) == row["value"]:
            others = sum(float(row[other]) for other in PHASES if other != phase) / 3
            found.append(
                Reason(message(f"cue-jar-{row['cue']}-{row['value']}"), TEMPER * log(float(row[phase]) / others, 2))
            )
    return tuple(sorted(found, key=lambda reason: -abs(reason.weight)))


def _of_falling(life: Life, looks: tuple[Event, ...], phase: str) -> tuple[Reason, ...]:
    in_order = sorted(looks, key=lambda each: each.at_h)
    heights = [look.height_mm for look in in_order if look.height_mm is not None]
    if life.fell_at_h is None or not heights:
        return ()
    says = message("health-fallen", was=round(max(heights)), now=round(heights[-1]))
    return (Reason(says, FALLEN_BITS if phase in ("past", "hungry") else -FALLEN_BITS),)


def _by_the_clock(life: Life, phase: str) -> Reason:
    weight = log(max(getattr(life.phases, phase), 0.01) / 0.25, 2)
    if life.hunger_h > 0.5:
        hours = max(round(life.hunger_h), 1)
        if hours < 48:
            return Reason(message("health-ripe-for-hours", hours=hours), weight)
        return Reason(message("health-ripe-for-days", days=round(hours / 24, 1)), weight)
    return Reason(message("health-on-its-way"), weight)


def _of_vigour(life: Life, slow: bool) -> tuple[Reason, ...]:
    if life.forecast.strength < 0.9:
        return (Reason(message("health-was-hungry"), 1.0),)
    if slow:
        return (Reason(message("health-slow"), 2.0),)
    return ()


def _do(code: HealthCode, phase: str, life: Life, lives: Place) -> Message:
    if code == "hungry":
        return message("health-hungry", feeds=max(life.wake_feeds, 1))
    if code == "past_peak":
        return message("health-past-peak")
    if code == "sluggish":
        return message("health-sluggish")
    if phase == "ripe":
        return message("health-ripe")
    if lives == "fridge" and life.place == "counter":
        return message("health-not-yet-cold")
    return message("health-leave")
