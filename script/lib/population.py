"""Made-up populations of doughs that differ from what their bakers say, to see how honest the band is."""

from dataclasses import dataclass, replace

import numpy as np
from cases import levain_dough, white

from gentle_crust.core.fermentation.dough import Dough, Makeup, makeup
from gentle_crust.core.fermentation.engine import begin
from gentle_crust.core.fermentation.forecast import Stretch, carry, forecast
from gentle_crust.core.fermentation.readings import Reading
from gentle_crust.core.fermentation.uncertainty import Span, Vigour, of_leaven
from gentle_crust.core.learning.belief import Tell
from gentle_crust.core.learning.learnt import paced

START_C = 25.0
READ_AT_H = (3.0, 4.5)
EYE_ERROR = 0.08
NEVER_H = 1e3
BAKES_DIFFER, READ_SD, WEEK = 0.10, 0.08, 7.0
"""By how much (ln) a leaven differs from bake to bake, how surely one bake tells of it, days between bakes."""


@dataclass(frozen=True)
class Situation:
    """Doughs that are forecast alike: what is said of them, and how far each truth is from that.

    ``sigma`` of ln activity of their leavens; ``fridge_k``: by how much their fridge may be off, either way; all have
    doughs up to 1 K and rooms up to 1.5 K off. ``read_at_h``: when their rise is read by eye; ``bakes``: how many of
    that leaven were watched before, each of which differs from the next as bakes do.
    """

    name: str
    made: Makeup
    path: tuple[Stretch, ...]
    rise: float
    sigma: float
    fridge_k: float = 0.0
    read_at_h: tuple[float, ...] = ()
    bakes: int = 0


@dataclass(frozen=True)
class Coverage:
    """Share of doughs whose true time fell in the 10-90 band, and the band's mean width, h."""

    inside: float
    width_h: float


def situations() -> tuple[Situation, ...]:
    """Bought yeast; a culture that nobody knows; the same in a fridge; after readings; after three bakes."""
    levain, room = makeup(levain_dough(20)), (Stretch(40, 23),)
    yeasted = makeup(Dough(white(), 680, 20, instant_yeast_g=4))
    cold = (Stretch(2, 24), Stretch(110, 6, "banneton", place="fridge"))
    return (
        Situation("instant yeast, room", yeasted, room, 1.0, 0.10),
        Situation("unknown levain, room", levain, room, 0.55, 0.40),
        Situation("unknown levain, fridge known to 2 K", levain, cold, 0.3, 0.40, 2.0),
        Situation("unknown levain, read once", levain, room, 0.55, 0.40, read_at_h=READ_AT_H[:1]),
        Situation("unknown levain, read twice", levain, room, 0.55, 0.40, read_at_h=READ_AT_H),
        Situation("levain watched over three bakes, room", levain, room, 0.55, 0.40, bakes=3),
    )


def _true_path(one: Situation, chance: np.random.Generator) -> tuple[Stretch, ...]:
    room_k = chance.uniform(-1.5, 1.5) if one.sigma > 0.2 else chance.uniform(-0.3, 0.3)
    fridge_k = chance.uniform(-one.fridge_k, one.fridge_k) if one.fridge_k else 0.0
    return tuple(
        replace(each, ambient_c=each.ambient_c + (fridge_k if each.place == "fridge" else room_k)) for each in one.path
    )


def truth_of(one: Situation, chance: np.random.Generator, pace: float) -> tuple[np.ndarray, np.ndarray]:
    """Hours and rise of one dough of a situation, as it really goes; ``pace``: the ln of its leaven's activity."""
    start_c = START_C + (chance.uniform(-1, 1) if one.sigma > 0.2 else chance.uniform(-0.3, 0.3))
    exact = Vigour(1.0, 0.0)
    state = begin(one.made, start_c)
    traces = carry(one.made, state, _true_path(one, chance), one.made.dough_g, exact, np.exp([pace]))
    hours = np.concatenate([trace.start_age_h + trace.hours for trace in traces])
    return hours, np.concatenate([trace.rise[:, 0] for trace in traces])


def watched(one: Situation, chance: np.random.Generator, pace: float) -> Vigour:
    """What is believed of a leaven after its bakes: one rise of each read by eye, its dough's warmth with it."""
    tells = [
        Tell(WEEK * bake, pace + chance.normal(0, BAKES_DIFFER) + chance.normal(0, READ_SD), READ_SD)
        for bake in range(one.bakes)
    ]
    likely, sigma, _ = paced("levain", tells, 0, WEEK * one.bakes)
    return Vigour(likely, sigma or 0.0)


def _reached(hours: np.ndarray, rise: np.ndarray, target: float) -> float:
    highest = np.maximum.accumulate(rise)
    return float(np.interp(target, highest, hours)) if highest[-1] >= target else NEVER_H


def band_of(one: Situation, readings: tuple[Reading, ...] = (), belief: Vigour | None = None) -> Span:
    """The band that a situation's dough is told."""
    found = forecast(one.made, START_C, one.path, (one.rise,), 1, belief or of_leaven(one.made), readings)
    return found.targets[0].hours


def coverage(one: Situation, count: int, seed: int = 7) -> Coverage:
    """Forecast ``count`` doughs of a situation, and see how many keep to the band. Readings err by 8 points."""
    chance = np.random.default_rng(seed)
    told = band_of(one)
    inside, widths = 0, []
    for _ in range(count):
        pace = chance.normal(0, one.sigma)
        if one.bakes:
            told = band_of(one, belief=watched(one, chance, pace))
            pace += chance.normal(0, BAKES_DIFFER)
        hours, rise = truth_of(one, chance, pace)
        truth = _reached(hours, rise, one.rise)
        seen = [at for at in one.read_at_h if at < truth]
        if one.read_at_h:
            read = [max(float(np.interp(at, hours, rise)) + chance.normal(0, EYE_ERROR), 0.0) for at in seen]
            told = band_of(one, tuple(Reading(at, "rise_eye", each) for at, each in zip(seen, read, strict=True)))
        low, high = told.low or NEVER_H, told.high or NEVER_H
        inside += low <= truth <= high
        widths.append(min(high, 60.0) - min(low, 60.0))
    return Coverage(inside / count, float(np.mean(widths)))
