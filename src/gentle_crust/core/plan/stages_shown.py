"""A formula's method as it would go, stage by stage: how long each takes, how warm and how far risen the dough is."""

from dataclasses import dataclass
from typing import Any

from gentle_crust.core.course.adding import USUAL_C, USUAL_RISE, StageKind, could_end
from gentle_crust.core.course.fill import Filled
from gentle_crust.core.course.method import Method, Series, Stage
from gentle_crust.core.course.plan import CoursePlan
from gentle_crust.core.course.problems import Problem
from gentle_crust.core.course.ripen import Beside
from gentle_crust.core.course.stage_lines import ends, stage_name
from gentle_crust.core.course.standing import Run
from gentle_crust.core.course.styles import Style
from gentle_crust.core.messages import NOTHING, Message


@dataclass(frozen=True)
class StageShown:
    """One stage as it would go. ``where`` it stands in the method: stages.3, or parts.0.stages.2.

    ``dough_c`` (C) and ``rise`` (fractions) as it begins and as it ends, None before there is a dough and after the
    oven; ``work_min`` minutes of hands, 0 of a stage that waits; ``until`` and ``folds`` as they are or were filled;
    ``why`` of what was filled, by name; ``ends``: how it might end instead, as that would be written.
    """

    where: str
    part: str
    id: str
    kind: str
    name: Message
    minutes: float
    work_min: float
    place: str
    until: Message
    folds: tuple[Series, ...]
    dough_c: tuple[float, float] | None
    rise: tuple[float, float] | None
    why: tuple[tuple[str, Message], ...]
    ends: dict[str, Any]


@dataclass(frozen=True)
class MethodView:
    """A method as it is written, the style that it is or began from, how its stages go, and what of it cannot be.

    ``styles`` are those in which the formula could be made instead; ``kinds`` say what may be changed and added;
    ``goes_in`` what goes into the bowl, as an order of mixing writes it, and its name.
    """

    written: dict[str, Any]
    style: str
    styles: tuple[Style, ...]
    stages: tuple[StageShown, ...]
    problems: tuple[Problem, ...]
    kinds: tuple[StageKind, ...]
    goes_in: tuple[tuple[str, Message], ...]


def stages_shown(made: CoursePlan, method: Method) -> tuple[StageShown, ...]:
    """The stages of a method in its own order, as they go in a plan that was made with it."""
    runs = {run.filled.id: _of_run(run) for run in made.solved.runs}
    for each in made.solved.beside:
        if each.filled is not None:
            runs[each.filled.id] = _of_beside(each, each.filled)
    found = []
    for where, part, stages in _written(method):
        for place, stage in enumerate(stages):
            if stage.id in runs:
                found.append(_shown(f"{where}stages.{place}", part, *runs[stage.id]))
    return tuple(found)


Went = tuple[Filled, float, tuple[float, float] | None, tuple[float, float] | None]


def _written(method: Method) -> list[tuple[str, str, tuple[Stage, ...]]]:
    own = [(f"parts.{place}.", part.name, part.stages) for place, part in enumerate(method.parts)]
    return [("", "", method.stages), *own]


def _of_run(run: Run) -> Went:
    if run.trace is None:
        return run.filled, run.hours, None, None
    middle = run.trace.rise.shape[1] // 2
    rise = (float(run.trace.rise[0, middle]), float(run.trace.rise[-1, middle]))
    return run.filled, run.hours, (float(run.trace.dough_c[0]), float(run.trace.dough_c[-1])), rise


def _of_beside(each: Beside, filled: Filled) -> Went:
    hours = each.wanted - each.start
    if each.ripening is None:
        return filled, hours, None, None
    trace = each.ripening.trace
    row = each.row
    middle = trace.rise.shape[1] // 2
    warmth = (float(trace.dough_c[0]), float(trace.dough_c[row]))
    return filled, hours, warmth, (float(trace.rise[0, middle]), float(trace.rise[row, middle]))


def _says_more(filled: Filled) -> bool:
    """Whether what ends a stage says more than its minutes do."""
    return filled.until.way != "span" or filled.until.hold


def _shown(
    where: str, part: str, filled: Filled, hours: float, dough_c: tuple[float, float] | None,
    rise: tuple[float, float] | None,
) -> StageShown:  # fmt: skip
    until = ends(filled.stage.until) if _says_more(filled) else NOTHING
    return StageShown(
        where=where, part=part, id=filled.id, kind=filled.kind, name=stage_name(filled.stage), minutes=60 * hours,
        work_min=filled.work_min, place=filled.place.name, until=until,
        folds=filled.stage.folds or (), dough_c=dough_c, rise=rise, why=tuple(filled.why),
        ends=could_end(
            filled.kind, 60 * hours, USUAL_RISE if rise is None else rise[1], USUAL_C if dough_c is None else dough_c[1]
        ),
    )  # fmt: skip
