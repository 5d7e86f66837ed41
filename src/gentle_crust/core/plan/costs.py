"""What a plan costs and gives: hands, nights, flavour, and how sure it is."""

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.solved import Solved
from gentle_crust.core.fermentation.engine import ph_of
from gentle_crust.core.fermentation.uncertainty import Span
from gentle_crust.core.messages import message
from gentle_crust.core.plan.milestones import Milestones
from gentle_crust.core.plan.shown import Costs, Step

FLAT_PH, SHARP_PH = 5.9, 3.8
TASTES = (
    (0.6, message("shown-taste-mild")), (0.85, message("shown-taste-little-sour")),
    (0.92, message("shown-taste-sour")), (2.0, message("shown-taste-very-sour")),
)  # fmt: skip
"""Words for the index of sourness, each up to its limit (practice)."""
MOST_LATER_H = 3.0
"""A bulk whose weakest leaven was not followed to its end may be so much later (practice)."""


def costs(solved: Solved, times: Milestones, bulk: Span | None, steps: tuple[Step, ...], clock: Clock) -> Costs:
    """Of a solved course and its steps; ``bulk`` is when the rise of its end is reached."""
    hands = [step for step in steps if step.minutes]
    asleep = sum(clock.asleep_min(clock.hours(step.at), clock.hours(step.at) + step.minutes / 60) for step in hands)
    sourness = 0.0
    if times.baked is not None and times.baked.before is not None:
        state = times.baked.before
        ph = float(ph_of(state.bacteria)[len(state.bacteria) // 2])
        sourness = min(max((FLAT_PH - ph) / (FLAT_PH - SHARP_PH), 0), 1)
    spread = 0.0
    if bulk is not None:
        low = times.mix if bulk.low is None else bulk.low
        spread = (times.bulk_end + MOST_LATER_H if bulk.high is None else bulk.high) - low
    return Costs(
        hands_on=len(hands),
        hands_min=sum(step.minutes for step in hands),
        asleep_min=asleep,
        hours=(steps[-1].at - steps[0].at).total_seconds() / 3600,
        sourness=round(sourness, 2),
        taste=next(word for limit, word in TASTES if sourness < limit),
        flavour=round(min((times.load - times.mix) / 24, 1), 2),
        spread_min=60 * spread,
    )
