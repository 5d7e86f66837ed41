"""What is believed of one thing in a kitchen after some bakes have told of it: drawn towards what is usual, drifting.

A Kalman filter (Kalman 1960, unverified) over the bakes, with an offset for each season where one is asked for. One
bake that is far off counts in proportion (Huber 1964, unverified); two in a row that are off in the same direction say
that the thing has changed: then what was learnt before counts for little.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

SEASONS = 4
FAR = 2.2
"""A tell further off than so many standard deviations counts in proportion (practice)."""
OFF_AGAIN = 1.15
"""Two tells in a row off by so much in one direction: the thing has changed (practice)."""
FORGETS = 0.75
"""How far what was known is then unknown again, as a share of what was unknown at first (practice)."""


@dataclass(frozen=True)
class Tell:
    """What one bake told: on which day (days from any origin), how much, and how surely (a standard deviation).

    ``season``: 0-3, the quarter of the year (of a room: of the day); ``bake``: whose it is.
    """

    day: float
    value: float
    sd: float
    season: int = 0
    bake: str = ""


@dataclass(frozen=True)
class Prior:
    """What is usual: mean and spread over kitchens; by how much one bake differs from the next; drift over a day.

    ``season_sd``: by how much a season differs from the year; 0 where it does not.
    """

    mean: float
    sd: float
    scatter: float
    drift: float = 0.0
    season_sd: float = 0.0


@dataclass(frozen=True)
class Belief:
    """What is believed: the likely value and its standard deviation, and how many tells it rests on.

    ``seasons``: by how much each quarter is off the value that all share.
    """

    mean: float
    sd: float
    tells: int
    seasons: tuple[float, ...] = (0.0,) * SEASONS
    year: float = 0.0
    """The value that all of them share."""
    changed: bool = False
    """Whether the last tells said that the thing has changed."""


def believed(tells: Sequence[Tell], prior: Prior, season: int = 0, day: float | None = None) -> Belief:
    """What is believed after some tells.

    Parameters
    ----------
    tells : in order of their days
    prior : what is usual
    season : the quarter of the year, 0-3, for which it is asked
    day : the day for which it is asked; that of the last tell if none is given

    Returns
    -------
    The belief for that season and day.
    """
    state, spread = _begun(prior)
    last, run, changed = (tells[0].day if tells else 0.0), 0.0, False
    for each in tells:
        spread[0, 0] += prior.drift**2 * max(each.day - last, 0.0)
        last = each.day
        row = _row(each.season, prior)
        noise = each.sd**2 + prior.scatter**2
        off = _off(each, row, state, spread, noise)
        changed = run * off > 0 and abs(off) >= OFF_AGAIN and abs(run) >= OFF_AGAIN
        if changed:
            spread[0, 0] = max(spread[0, 0], FORGETS * prior.sd**2)
            off = _off(each, row, state, spread, noise)
        run = off
        if abs(off) > FAR:
            noise *= (off / FAR) ** 2
        gain = spread @ row / float(row @ spread @ row + noise)
        state = state + gain * (each.value - float(row @ state))
        spread = spread - np.outer(gain, row @ spread)
    if day is not None:
        spread[0, 0] += prior.drift**2 * max(day - last, 0.0)
    row = _row(season, prior)
    offsets = tuple(float(each) for each in state[1:]) if prior.season_sd else (0.0,) * SEASONS
    sd = float(np.sqrt(row @ spread @ row))
    return Belief(float(row @ state), sd, len(tells), offsets, float(state[0]), changed)


def _begun(prior: Prior) -> tuple[np.ndarray, np.ndarray]:
    """The year's value and those of the seasons, before anything was told."""
    size = 1 + (SEASONS if prior.season_sd else 0)
    state, spread = np.zeros(size), np.zeros((size, size))
    state[0], spread[0, 0] = prior.mean, prior.sd**2
    for place in range(1, size):
        spread[place, place] = prior.season_sd**2
    return state, spread


def _row(season: int, prior: Prior) -> np.ndarray:
    """What a tell of a season adds up: the year's value and that season's."""
    row = np.zeros(1 + (SEASONS if prior.season_sd else 0))
    row[0] = 1.0
    if prior.season_sd:
        row[1 + season % SEASONS] = 1.0
    return row


def _off(tell: Tell, row: np.ndarray, state: np.ndarray, spread: np.ndarray, noise: float) -> float:
    """How far a tell is from what was believed, in standard deviations."""
    return (tell.value - float(row @ state)) / float(np.sqrt(row @ spread @ row + noise))
