"""What a plan costs and gives: hands, nights, flavour, and how sure it is."""

from gentle_crust.core.clock import Clock
from gentle_crust.core.scheduling.result import Costs, Step
from gentle_crust.core.scheduling.whole import Course

FLAT_PH, SHARP_PH = 5.9, 3.8
TASTES = ((0.6, "mild"), (0.85, "a little sour"), (0.92, "sour"), (2.0, "very sour"))
"""Words for the index of sourness, each up to its limit (practice)."""


def costs(course: Course, steps: tuple[Step, ...], clock: Clock) -> Costs:
    """Of a worked-out course and its ladder."""
    hands = [step for step in steps if step.minutes]
    asleep = sum(clock.asleep_min(clock.hours(step.at), clock.hours(step.at) + step.minutes / 60) for step in hands)
    loaded = course.times.load - course.times.proof_start
    middle = course.proof.ph.shape[1] // 2
    place = int((course.proof.hours <= loaded).sum()) - 1
    ph = float(course.proof.ph[place, middle])
    low, high = course.bulk_span.low, course.bulk_span.high
    spread = (high if high is not None else course.times.bulk_end + 3) - (low if low is not None else course.times.mix)
    sourness = min(max((FLAT_PH - ph) / (FLAT_PH - SHARP_PH), 0), 1)
    return Costs(
        hands_on=len(hands),
        hands_min=sum(step.minutes for step in hands),
        asleep_min=asleep,
        hours=(steps[-1].at - steps[0].at).total_seconds() / 3600,
        sourness=round(sourness, 2),
        taste=next(word for limit, word in TASTES if sourness < limit),
        flavour=round(min((course.times.load - course.times.mix) / 24, 1), 2),
        spread_min=60 * spread,
    )
