"""A trial: bakes, or parts of one, that are to differ in one thing; and how much it can tell."""

from collections.abc import Sequence
from dataclasses import dataclass
from math import comb

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.loaf.pooling import Liking, liking
from gentle_crust.core.messages import Message, message

LETTERS = "KMRTWX"
"""What stands for a side until a blind trial is judged: letters that are not taken for one another."""
CHANCE = 0.05
"""Below such a chance a difference is hardly luck (convention)."""


@dataclass(frozen=True)
class Side:
    """One side of a trial: a bake, a part of it if of one, and what is done there, in the baker's words."""

    bake: str
    part: str = ""
    says: str = ""


@dataclass(frozen=True)
class Trial:
    """What is to be found out, of which sides, and what came of it.

    ``letters`` stand for the sides, in their order, until a ``blind`` one is judged. ``better``: the place of the side
    that was liked better; -1 if neither was, None before it is judged.
    """

    question: str
    sides: tuple[Side, ...]
    blind: bool = False
    letters: tuple[str, ...] = ()
    better: int | None = None
    conclusion: str = ""

    @property
    def judged(self) -> bool:
        """Whether it is over."""
        return self.better is not None

    @property
    def hidden(self) -> bool:
        """Whether its sides go by their letters still."""
        return self.blind and not self.judged


@dataclass(frozen=True)
class Wins:
    """How often a side was liked better, by what is said of it."""

    side: str
    count: int


@dataclass(frozen=True)
class Pooled:
    """Trials of one question: how often each side was liked better, by what is said of it; how often neither was."""

    pairs: int
    wins: tuple[Wins, ...]
    neither: int
    worth: Message
    liking: Liking | None = None
    """How sure it is that the side that was liked better more often is the better one; of two sides only."""


def checked(trial: Trial) -> Trial:
    """The trial, if it can be so. Raises CraftError that names the field."""
    if not trial.question.strip():
        raise CraftError("question", "trial-question-missing")
    within("question", limits.TRIAL_LETTERS, len(trial.question))
    if not 2 <= len(trial.sides) <= len(LETTERS):
        raise CraftError("sides", "compare-how-many", least=2, most=len(LETTERS))
    if len({(side.bake, side.part) for side in trial.sides}) < len(trial.sides):
        raise CraftError("sides", "trial-side-twice")
    if trial.better is not None and not -1 <= trial.better < len(trial.sides):
        raise CraftError("better", "trial-side-unknown")
    if trial.blind and not all(side.part for side in trial.sides):
        raise CraftError("blind", "trial-blind-parts")
    within("conclusion", limits.TRIAL_CONCLUSION_LETTERS, len(trial.conclusion))
    return trial


def pooled(trials: Sequence[Trial]) -> Pooled:
    """What judged trials of one question tell together. Of pairs only: more sides are counted by the best alone."""
    judged = [trial for trial in trials if trial.judged]
    wins: dict[str, int] = {}
    for trial in judged:
        for side in trial.sides:
            wins.setdefault(side.says.strip() or side.part, 0)
        if trial.better is not None and trial.better >= 0:
            best = trial.sides[trial.better]
            wins[best.says.strip() or best.part] += 1
    neither = sum(trial.better == -1 for trial in judged)
    worth = _worth(len(judged), list(wins.values()), neither)
    likes = None
    if len(wins) == 2:
        (first, most), (_, least) = sorted(wins.items(), key=lambda each: -each[1])
        likes = liking(first, most, least)
    return Pooled(len(judged), tuple(Wins(side, count) for side, count in wins.items()), neither, worth, likes)


def chance(wins: int, of: int) -> float:
    """How likely it is that a coin thrown ``of`` times falls on one of its sides ``wins`` times or more often."""
    most = max(wins, of - wins)
    tails = 2 * sum(comb(of, n) for n in range(most, of + 1))
    return min(float(tails) / float(2**of), 1.0)


def _worth(pairs: int, wins: list[int], neither: int) -> Message:
    """An honest word on how much so many pairs can tell."""
    decided = pairs - neither
    if not pairs:
        return message("trial-not-judged")
    if not decided:
        return message("trial-no-difference", pairs=pairs)
    if decided == 1:
        return message("trial-one-pair")
    by_luck = chance(max(wins), decided)
    code = "trial-hardly-luck" if by_luck < CHANCE else "trial-may-be-luck"
    return message(code, most=max(wins), decided=decided, of=max(round(1 / by_luck), 1))
