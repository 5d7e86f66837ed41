"""How a formula is made, in words that hold for any day: what is done, how long after the beginning, in how long."""

from dataclasses import dataclass

from gentle_crust.core.course.plan import CoursePlan
from gentle_crust.core.messages import Message, message

LEFT_OUT = ("feed", "cut")
"""What is not part of making a dough: care of the culture, and eating."""


@dataclass(frozen=True)
class DoneThen:
    """One thing to do: minutes after the first of them, what it is, and how."""

    after_min: float
    title: Message
    text: Message


@dataclass(frozen=True)
class HowMade:
    """The steps of a formula in their order; minutes of hands, of the oven and from the first step to a cool loaf.

    ``vessel`` is what it is baked in.
    """

    steps: tuple[DoneThen, ...]
    hands_min: float
    oven_min: float
    all_min: float
    vessel: str


def how_made(made: CoursePlan) -> HowMade:
    """A plan's steps without its clock; of several parts, the trunk's and those of the first."""
    solved = made.solved
    first = solved.parts[0]
    steps = [each for each in made.steps if each.part in ("", first.path.name) and each.step not in LEFT_OUT]
    begin = steps[0].at
    cools_h = 0.0 if first.baked is None else max(run.end for run in first.runs) - first.out
    return HowMade(
        steps=tuple(
            DoneThen(60 * (each.at - begin), each.title or message(f"course-step-{each.step}"), each.text)
            for each in steps
        ),
        hands_min=sum(each.minutes for each in steps),
        oven_min=0.0 if first.bake is None else first.bake.all_min,
        all_min=60 * (first.out + max(cools_h, 0.0) - begin),
        vessel="" if first.bake is None else first.bake.vessel.name,
    )
