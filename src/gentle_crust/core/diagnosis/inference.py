"""How probable each cause is: sets of up to three causes, held against the faults and the record."""

from dataclasses import dataclass
from functools import cache
from itertools import combinations

import numpy as np
from numpy.typing import NDArray

from gentle_crust.core.tables import toml

FAULTS = (
    "dense_tight", "tight_wild_holes", "flying_crust", "dense_base_line", "gummy", "spread", "caved_in", "side_burst",
    "no_ear", "pale_top", "dark_early", "crust_hard", "crust_soft", "base_pale", "base_burnt", "too_sour", "bland",
    "too_salty", "undersalted", "dry_crumb", "flour_blotches", "stuck", "misshapen", "flour_streaks", "dull_crust",
    "base_burst", "too_open",
)  # fmt: skip
MOST_AT_ONCE = 3
NOT_SEEN_COUNTS = 0.8
"""How far a fault that was looked for and not seen speaks: an eye may miss it (practice)."""


@cache
def causes() -> tuple[str, ...]:
    """All causes, by their codes.

    Returns
    -------
    The codes.
    """
    return tuple(toml("diagnosis")["cause"])


@cache
def shows(fault: str) -> NDArray[np.float64]:
    """How probably each cause alone shows a fault.

    Parameters
    ----------
    fault : code of a fault

    Returns
    -------
    Probabilities, 0-1, one a cause (practice).
    """
    table = toml("diagnosis")["cause"]
    return np.array([float(row["faults"].get(fault, 0.0)) for row in table.values()])


@cache
def _sets() -> tuple[NDArray[np.bool_], NDArray[np.float64]]:
    """All sets of up to three causes (rows), and the log of their prior odds beside no cause at all."""
    count = len(causes())
    chosen = [each for size in range(MOST_AT_ONCE + 1) for each in combinations(range(count), size)]
    sets = np.zeros((len(chosen), count), dtype=bool)
    for row, members in enumerate(chosen):
        sets[row, list(members)] = True
    prior = np.array([float(row["prior"]) for row in toml("diagnosis")["cause"].values()])
    return sets, sets @ np.log(prior / (1 - prior))


@dataclass(frozen=True)
class Weighed:
    """How probable each cause is, 0-1, and how probably any of them shows each fault that was seen.

    ``share``: probability of each set of causes, as ``comes_again`` takes it.
    """

    p: dict[str, float]
    explained: dict[str, float]
    share: NDArray[np.float64]


def weigh_causes(seen: tuple[str, ...], not_seen: tuple[str, ...], ratios: dict[str, float]) -> Weighed:
    """Weigh all causes together: a fault is shown by any of its causes, or by none of them (noisy or, with a leak).

    Parameters
    ----------
    seen : codes of the faults seen
    not_seen : codes of faults that were looked for and not seen
    ratios : by cause, how much likelier the record is with it than without, all evidence together

    Returns
    -------
    Marginal probabilities over all sets of up to three causes (Pearl 1988, unverified).
    """
    sets, logs = _sets()
    weight = logs + sets @ np.log(np.array([ratios.get(cause, 1.0) for cause in causes()]))
    leak = float(toml("diagnosis")["leak"])
    for fault in seen:
        weight = weight + np.log(_shown(sets, fault, leak))
    for fault in not_seen:
        weight = weight + np.log(1 - NOT_SEEN_COUNTS * _shown(sets, fault, leak))
    share = np.exp(weight - weight.max())
    share /= share.sum()
    marginal = share @ sets
    by_cause = 1 - np.exp(sets @ np.log1p(-np.clip(np.array([shows(f) for f in seen]).T, 0, 0.999))) if seen else None
    explained = {} if by_cause is None else {f: float(share @ by_cause[:, i]) for i, f in enumerate(seen)}
    return Weighed({cause: float(p) for cause, p in zip(causes(), marginal, strict=True)}, explained, share)


def comes_again(weighed: Weighed, fault: str, mended: str) -> float:
    """How probably a fault comes again if one cause is mended and all others stay as they are.

    Parameters
    ----------
    weighed : all causes, weighed
    fault : code of the fault
    mended : code of the cause that is mended

    Returns
    -------
    A probability, 0-1.
    """
    sets, _ = _sets()
    left = sets.copy()
    left[:, causes().index(mended)] = False
    return float(weighed.share @ _shown(left, fault, float(toml("diagnosis")["leak"])))


def _shown(sets: NDArray[np.bool_], fault: str, leak: float) -> NDArray[np.float64]:
    """Probability of a fault with each set of causes."""
    missed = np.exp(sets @ np.log1p(-np.clip(shows(fault), 0, 0.999)))
    return 1 - (1 - leak) * missed
