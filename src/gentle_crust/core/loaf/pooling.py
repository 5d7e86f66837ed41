"""What several pairs of loaves say together: which side is liked better, and by how much their figures differ."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gentle_crust.core.messages import Message

CERTAINTY = 0.8
"""A range is given within which a figure lies with so much certainty (convention)."""


@dataclass(frozen=True)
class Liking:
    """How sure it is that one side is liked better: its name, the probability, and of so many pairs out of a hundred
    it would win (low and high, with 80 % certainty)."""

    side: str
    sure: float
    low: float
    high: float


@dataclass(frozen=True)
class FigureApart:
    """By how much a figure of the first side is more (less: negative) than of the other, over so many pairs.

    ``low`` and ``high``: where the true difference lies with 80 % certainty; None of one pair. ``sure``: probability
    that it has the sign that it shows.
    """

    what: Message
    side: str
    mean: float
    low: float | None
    high: float | None
    pairs: int
    sure: float | None


def liking(side: str, wins: int, losses: int) -> Liking | None:
    """How sure it is that a side is liked better by whoever judges.

    Parameters
    ----------
    side : what is said of it
    wins, losses : in so many pairs it was liked better, and the other

    Returns
    -------
    The liking, by the binomial's conjugate prior without opinion (Bayes 1763, unverified); None before any pair.
    """
    if not wins + losses:
        return None
    from scipy.special import betainc, betaincinv

    a, b = 1 + wins, 1 + losses
    low, high = (float(betaincinv(a, b, (1 + part) / 2)) for part in (-CERTAINTY, CERTAINTY))
    return Liking(side, round(1 - float(betainc(a, b, 0.5)), 3), round(low, 3), round(high, 3))


def apart(what: Message, side: str, differences: Sequence[float]) -> FigureApart | None:
    """By how much a figure differs over pairs.

    Parameters
    ----------
    what : the figure
    side : what is said of the side from which the other is taken away
    differences : of each pair

    Returns
    -------
    Mean and range by Student's t (Student 1908, unverified); None without any pair.
    """
    if not differences:
        return None
    values = np.asarray(differences, dtype=float)
    mean, count = float(values.mean()), len(values)
    if count == 1:
        return FigureApart(what, side, mean, None, None, 1, None)
    error = float(values.std(ddof=1)) / count**0.5
    if error == 0:
        return FigureApart(what, side, mean, mean, mean, count, 0.5 if mean == 0 else 1.0)
    from scipy.special import stdtr, stdtrit

    off = float(stdtrit(count - 1, (1 + CERTAINTY) / 2)) * error
    sure = float(stdtr(count - 1, abs(mean) / error))
    return FigureApart(what, side, mean, mean - off, mean + off, count, round(sure, 3))
