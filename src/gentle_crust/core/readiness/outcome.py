"""What a kept judgement is good for afterwards: what it tells of the leaven, and whether it came out as said."""

from typing import Literal

from gentle_crust.core.fermentation.readings import Looked
from gentle_crust.core.readiness.cues import State
from gentle_crust.core.readiness.judge import Question, seen_likelihood
from gentle_crust.core.readiness.prior import bounds, target_of

Outcome = Literal["under", "right", "over"]
OUTCOMES: dict[State, Outcome] = {
    "early": "under", "nearly": "under", "ready": "right", "late": "right", "over": "over",
}  # fmt: skip
"""How a loaf comes out that was loaded at once after such a verdict (practice)."""


def looked(question: Question, at_h: float, greatest_rise: float) -> Looked | None:
    """What the cues of a question, seen ``at_h`` after mixing, tell of the leaven of a dough that can rise so far.

    None where they tell nothing of it: outside bulk and final proof, or without any cue.

    Parameters
    ----------
    question : what is asked, whole
    at_h : hours after mixing
    greatest_rise : greatest rise that the dough can reach, a fraction

    Returns
    -------
    What it tells, or none.
    """
    if question.stage not in ("bulk", "final_proof") or not question.cues:
        return None
    target = question.share_target or target_of(question.stage, question.vessel, question.dough.cold)
    early, nearly, ready, late = (share * (1 + greatest_rise) - 1 for share in bounds(question.stage, target))
    return Looked(at_h, (early, nearly, ready, late), seen_likelihood(question))


def came_out_as_judged(verdict: State, outcome: Outcome) -> bool:
    """Whether a loaf came out as its last verdict said.

    Parameters
    ----------
    verdict : what was judged
    outcome : how the loaf came out

    Returns
    -------
    Whether it did.
    """
    return OUTCOMES[verdict] == outcome
