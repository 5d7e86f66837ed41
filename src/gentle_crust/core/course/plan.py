"""A plan: a course solved, with its steps by the clock, its water, and what of it cannot be met."""

from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from gentle_crust.core import limits
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.baking import sharing
from gentle_crust.core.course.method import with_pieces
from gentle_crust.core.course.problems import Problem, find
from gentle_crust.core.course.solve import solve
from gentle_crust.core.course.solved import Solved
from gentle_crust.core.course.steps import Step, steps
from gentle_crust.core.course.styles import Style, fitting, method_for
from gentle_crust.core.course.tailored import tailored
from gentle_crust.core.course.waters import water_of
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.messages import message
from gentle_crust.core.water.plan import WaterAnswer

LONGEST_AHEAD, LONGEST_AGO = timedelta(days=16), timedelta(days=10)
NEAR_ONE_ANOTHER_H = 3.0


@dataclass(frozen=True)
class CoursePlan:
    """A solved course, its steps in order, the water of its dough, and its problems, the gravest first."""

    solved: Solved
    steps: tuple[Step, ...]
    water: WaterAnswer
    problems: tuple[Problem, ...]

    @property
    def asked(self) -> Asked:
        """The question."""
        return self.solved.asked


def check(asked: Asked) -> None:
    """Raise CraftError for a figure that no kitchen and no dough has, or a time out of reach."""
    within("pieces", limits.PIECES, asked.pieces)
    within("scaling_weight_g", limits.SCALING_WEIGHT_G, asked.scaling_weight_g)
    within("dough_c", limits.DOUGH_C, asked.dough_c)
    kitchen = asked.kitchen
    within("kitchen.room_day_c", limits.ROOM_DAY_C, kitchen.room.day_c)
    within("kitchen.room_night_c", limits.ROOM_NIGHT_C, kitchen.room.night_c)
    within("kitchen.fridge_c", limits.FRIDGE_C, kitchen.room.fridge_c)
    if kitchen.fridge_l is not None:
        within("kitchen.fridge_l", limits.KITCHEN_FRIDGE_L, kitchen.fridge_l)
    within("kitchen.tap_c", limits.TAP_C, kitchen.tap_c)
    if kitchen.nights.length_h > 14:
        raise CraftError("kitchen.sleep", "scheduling-sleep-length")
    names = [name for name, _ in asked.method.paths]
    own = sum(part.pieces for part in asked.method.parts)
    if asked.method.parts and own != asked.pieces:
        raise CraftError("pieces", "course-pieces-differ", parts=own, pieces=asked.pieces)
    for name, at in asked.ready:
        if name not in names:
            raise CraftError("ready", "course-no-such-part", name=name, names=tuple(names))
        if not -LONGEST_AGO < at - asked.now < LONGEST_AHEAD:
            raise CraftError("ready", "course-out-of-reach", days=LONGEST_AHEAD.days)


def plan(asked: Asked) -> CoursePlan:
    """Plan a question. What cannot be reckoned at all raises CraftError; a wish that cannot be met has problems."""
    check(asked)
    solved = _at_once(asked, solve(asked))
    water = water_of(solved)
    done = steps(solved, water)
    return CoursePlan(solved, done, water, find(solved, done, water))


def _at_once(asked: Asked, solved: Solved) -> Solved:
    """Parts that nobody wants at a time of their own, and that could go into one load, leave the oven together."""
    outs = [part.out for part in solved.parts]
    bakes = [part.bake for part in solved.parts]
    if asked.ready or len(outs) < 2 or max(outs) - min(outs) > NEAR_ONE_ANOTHER_H or bakes[0] is None:
        return solved
    if any(bake is None or sharing(bakes[0], bake) is None for bake in bakes[1:]):
        return solved
    together = solved.clock.at(max(outs))
    return solve(replace(asked, ready=tuple((part.path.name, together) for part in solved.parts)))


def in_style(asked: Asked, style: Style) -> Asked:
    """The same question, answered in a style."""
    method = with_pieces(method_for(style, asked.formula), asked.pieces)
    method = tailored(method, asked.tailoring, asked.pieces)
    given = dict(asked.ready)
    # A part that the style does not have is not waited for; what it has instead is wanted with the first.
    ready = tuple((name, given.get(name, asked.ready[0][1])) for name, _ in method.paths) if given else ()
    return replace(asked, method=method, style=style.id, ready=ready)


def suiting(asked: Asked) -> CoursePlan:
    """The plan in the usual style of a formula; in the first other that meets the wish if that does not."""
    able = fitting(asked.formula, asked.kitchen.vessels)
    first: CoursePlan | None = None
    for style in able:
        made = plan(in_style(asked, style))
        if not made.problems:
            return made
        first = made if first is None or gravity(made) < gravity(first) else first
    if first is None:
        raise CraftError("style", "course-no-style", shape=message(f"shape-{asked.formula.shape}"))
    return first


def gravity(made: CoursePlan) -> float:
    """How grave a plan's problems are."""
    return sum(
        3.0 if each.code in ("past", "late", "early") else 2.0 if each.code != "asleep" else 1.0
        for each in made.problems
    )


def soonest(asked: Asked) -> CoursePlan:
    """The same question without a time: as soon as it can be."""
    return plan(replace(asked, ready=()))


def ready_of(made: CoursePlan) -> tuple[tuple[str, datetime], ...]:
    """When each part of a plan leaves the oven."""
    clock = made.solved.clock
    return tuple((part.path.name, clock.at(part.out)) for part in made.solved.parts)
