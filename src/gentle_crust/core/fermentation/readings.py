"""What a baker reads off a dough, and what it tells about the leaven's activity: Bayes on a grid of factors."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Literal, get_args

import numpy as np

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, Unreadable, within
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.uncertainty import Vigour, unknown
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import NOTHING, Message, message
from gentle_crust.core.tables import constant

RiseKind = Literal["rise_eye", "rise_box", "rise_jar"]
ReadingKind = Literal["rise_eye", "rise_box", "rise_jar", "ready", "dough_c"]
RISES = get_args(RiseKind)
GRID_SIGMAS, GRID_POINTS = 3.5, 57
WEAKEST, LIVELIEST, TAIL_POINTS = 0.02, 3.0, 12
"""Activity factors between which every belief is spread, and the points on either side of the likely ones."""
HONEST_SIGMAS = 2.0
"""A reading further off than this counts in proportion, not by its square (Huber 1964, unverified): one mistake does
not throw the belief away, and of two readings the lower never speaks for the livelier leaven."""
THIN_H = 0.25
"""Readings nearer than this say hardly more than one."""
SUREST_SIGMA = 0.05
WITHIN_A_SIGMA = (0.1587, 0.5, 0.8413)
"""Shares of a normal belief below its middle less a standard deviation, its middle, and its middle and one."""
LOOKED_SOFT = 0.06
"""How softly one state of readiness passes into the next, as a rise (practice)."""
DOUBTED_BELOW, DEAD_BELOW = 0.5, 0.18
"""A leaven believed this weak is asked about, and this weak is said to be dead (practice)."""
HARD_TO_BELIEVE_RISE = 0.12
"""A dough that is not touched does not fall by this much between two readings."""
HARD_TO_BELIEVE_K_PER_H = 12.0


@dataclass(frozen=True)
class Reading:
    """One reading, ``at_h`` hours after mixing.

    ``value``: the rise (fraction) for the rise kinds; for ready the rise at which it was judged ready; C for dough_c.
    ``sure`` if the baker stands by a reading that is hard to believe.
    """

    at_h: float
    kind: ReadingKind
    value: float
    sure: bool = False


@dataclass(frozen=True)
class Doubt:
    """A reading, by its place, that is hard to believe, and why; it does not count until the baker stands by it."""

    index: int
    sentence: Message


def error_of(kind: ReadingKind) -> float:
    """Standard deviation of a reading of rise, as a fraction.

    Parameters
    ----------
    kind : its name in the tables

    Returns
    -------
    A fraction of the gas-free volume (practice).
    """
    return constant("fermentation", "readings", f"{kind}_error")


def rise_from_line(line_ml: float, dough_g: float) -> float:
    """Rise of ``dough_g`` that stands at the ``line_ml`` of a straight-sided box.

    Parameters
    ----------
    line_ml : line of the box at which it stands, ml
    dough_g : dough, g

    Returns
    -------
    Rise, a fraction.
    """
    gas_free = dough_g / constant("fermentation", "gas", "dough_density_g_per_ml")
    within("line_ml", Limit("line-on-the-box", 0.8 * gas_free, 6 * gas_free, "ml"), line_ml)
    return line_ml / gas_free - 1


def rise_from_heights(start_mm: float, now_mm: float) -> float:
    """Rise of a sample in a straight jar from its height at first and now.

    Parameters
    ----------
    start_mm : height at first, mm
    now_mm : height now, mm

    Returns
    -------
    Rise, a fraction.
    """
    within("start_mm", limits.FIRST_HEIGHT_MM, start_mm)
    within("now_mm", Limit("height-now", start_mm * 0.8, start_mm * 6, "mm"), now_mm)
    return now_mm / start_mm - 1


def check(reading: Reading, field: str = "reading") -> None:
    """Raise CraftError for what no dough ever shows.

    Parameters
    ----------
    reading : one reading
    field : name of the field that a refusal names

    Returns
    -------
    Nothing; CraftError for what is refused.
    """
    if reading.kind not in get_args(ReadingKind):
        raise Unreadable(
            f"{field}.kind", "fermentation-reading-unknown", kind=reading.kind, names=get_args(ReadingKind)
        )
    if reading.at_h < 0:
        raise CraftError(f"{field}.at", "fermentation-before-mixing")
    if reading.kind == "dough_c":
        within(f"{field}.value", limits.MEASURED_DOUGH_C, reading.value)
    else:
        within(f"{field}.value", limits.READ_RISE, reading.value)


def doubts(readings: tuple[Reading, ...]) -> tuple[Doubt, ...]:
    """Readings that cannot well be, each against the one of its sort before it.

    Parameters
    ----------
    readings : what was measured, in order of time

    Returns
    -------
    The doubtful readings, each with why.
    """
    found = []
    latest: dict[bool, Reading] = {}
    for index, reading in sorted(enumerate(readings), key=lambda pair: pair[1].at_h):
        warm = reading.kind == "dough_c"
        last = latest.get(warm)
        latest[warm] = reading
        if last is None or reading.sure:
            continue
        if warm:
            most = 2 + HARD_TO_BELIEVE_K_PER_H * (reading.at_h - last.at_h)
            if abs(reading.value - last.value) > most:
                found.append(Doubt(index, message("doubt-temperature")))
        elif reading.value < last.value - HARD_TO_BELIEVE_RISE:
            found.append(Doubt(index, message("doubt-rise")))
    return tuple(sorted(found, key=lambda doubt: doubt.index))


def believed(readings: tuple[Reading, ...]) -> tuple[Reading, ...]:
    """Readings of rise that count: not doubted, in order, and one in a quarter of an hour at most.

    Parameters
    ----------
    readings : what was measured, in order of time

    Returns
    -------
    The readings that count.
    """
    doubted = {doubt.index for doubt in doubts(readings)}
    kept: list[Reading] = []
    rises = (each for index, each in enumerate(readings) if each.kind != "dough_c" and index not in doubted)
    for reading in sorted(rises, key=lambda each: each.at_h):
        if kept and reading.at_h - kept[-1].at_h < THIN_H:
            kept.pop()
        kept.append(reading)
    return tuple(kept)


def grid(prior: Vigour) -> Floats:
    """Activity factors over which belief is spread: close together where they are likely, from .02 to 3 in all.

    Parameters
    ----------
    prior : what is believed before

    Returns
    -------
    Factors, growing.
    """
    near = np.linspace(-GRID_SIGMAS, GRID_SIGMAS, GRID_POINTS) * prior.sigma + np.log(prior.likely)
    below = np.linspace(min(np.log(WEAKEST), near[0] - 0.1), near[0], TAIL_POINTS, endpoint=False)
    above = np.linspace(near[-1], max(np.log(LIVELIEST), near[-1] + 0.1), TAIL_POINTS // 4 + 1)[1:]
    factors: Floats = np.exp(np.concatenate([below, near, above]))
    return factors


def _log_prior(logs: Floats, belief: Vigour) -> Floats:
    """How likely each of the grid's factors is: as believed, but some leavens are weak, and a few are dead."""

    def normal(part: float, middle: float, sigma: float) -> Floats:
        result: Floats = part / sigma * np.exp(-(((logs - middle) / sigma) ** 2) / 2)
        return result

    weak, dead = (constant("fermentation", "uncertainty", f"{name}_part") for name in ("weak", "dead"))
    density = normal(1 - weak - dead, np.log(belief.likely), belief.sigma)
    density += normal(weak, np.log(belief.likely * constant("fermentation", "uncertainty", "weak_factor")), 0.4)
    density += normal(dead, np.log(constant("fermentation", "uncertainty", "dead_factor")), 0.6)
    result: Floats = np.log(density * np.gradient(logs))
    return result


def _log_likelihood(off_sigmas: Floats) -> Floats:
    """Of readings so many standard deviations off, with straight tails."""
    off = np.abs(off_sigmas)
    straight = HONEST_SIGMAS * off - HONEST_SIGMAS**2 / 2
    result: Floats = -np.where(off < HONEST_SIGMAS, off**2 / 2, straight)
    return result


@dataclass(frozen=True)
class Looked:
    """A dough that was looked at, ``at_h`` after mixing: what each of its states, early to over, is to show that.

    ``rises``: the rises between the five states.
    """

    at_h: float
    rises: tuple[float, float, float, float]
    shows: tuple[float, float, float, float, float]

    def likelihood(self, rise: Floats) -> Floats:
        """How likely doughs of these rises are to look like that."""
        bounds, shows = np.array(self.rises), np.array(self.shows)
        beyond = 1 / (1 + np.exp(np.clip((bounds - rise[:, None]) / LOOKED_SOFT, -50, 50)))
        result: Floats = np.maximum(shows[0] + beyond @ np.diff(shows), 1e-6 * shows.max())
        return result


def _at_least(rises: Floats) -> Floats:
    """Rises by factor, none below that of a weaker leaven."""
    result: Floats = np.maximum.accumulate(rises)
    return result


def update(
    readings: tuple[Reading, ...],
    rise_at: Callable[[float], Floats],
    prior: Vigour | None = None,
    looked: tuple[Looked, ...] = (),
) -> Vigour:
    """The belief after ``readings`` and looks.

    ``rise_at(hours)`` gives the rise that each factor of :func:`grid` foretells. A livelier leaven counts as at least
    as high as a weaker one: one that has sunk again was higher before, which would have been seen.
    """
    belief = unknown() if prior is None else prior
    logs = np.log(grid(belief))
    weight = _log_prior(logs, belief)
    for reading in believed(readings):
        weight = weight + _log_likelihood((reading.value - _at_least(rise_at(reading.at_h))) / error_of(reading.kind))
    for look in looked:
        weight = weight + np.log(look.likelihood(rise_at(look.at_h)))
    share = np.exp(weight - weight.max())
    low, middle, high = np.interp(WITHIN_A_SIGMA, (np.cumsum(share) - share / 2) / share.sum(), logs)
    return Vigour(float(np.exp(middle)), max(float(high - low) / 2, SUREST_SIGMA))


YOURS = message("vigour-your-dough")


def said_of(vigour: Vigour, of: Message = YOURS) -> Message:
    """How a dough (or a culture, as it is called in ``of``) compares with the usual one; nothing while that is open.

    Parameters
    ----------
    vigour : what is believed of the leaven's pace: likely factor, spread, shares weak and dead
    of : what the dough or culture is called

    Returns
    -------
    A sentence, or nothing.
    """
    if vigour.likely < DEAD_BELOW:
        return message("vigour-dead")
    if vigour.likely < DOUBTED_BELOW:
        return message("vigour-doubted")
    faster = vigour.likely - 1
    if abs(np.log(vigour.likely)) < 0.5 * vigour.sigma or abs(faster) < 0.05:
        return message("vigour-usual", of=of) if vigour.sigma < 0.15 else NOTHING
    about = max(5 * round(20 * abs(faster)), 5)
    return message("vigour-faster" if faster > 0 else "vigour-slower", of=of, percent=about)
