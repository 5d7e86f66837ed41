"""The steps of a course as a plan shows them: called by their names, dated, with cautions and spans."""

from collections import Counter
from collections.abc import Sequence
from dataclasses import replace

from gentle_crust.core.cautions import caution
from gentle_crust.core.clock import Clock
from gentle_crust.core.course.ripen import Beside
from gentle_crust.core.course.solved import Solved
from gentle_crust.core.course.steps import Step as CourseStep
from gentle_crust.core.fermentation.uncertainty import Span
from gentle_crust.core.formula.scaling import Stage
from gentle_crust.core.messages import Message, joined, listed, message, named
from gentle_crust.core.plan.milestones import Milestones, rise_at_end
from gentle_crust.core.plan.shown import Step, dated
from gentle_crust.core.plan.weigh_list import OLD_DOUGH_WARMS_H

FIRST = "first"
"""The caution that stands over all others of the oven, said once."""
OF_AN_OVEN = ("preheat", "fire", "load")
ENDS_BULK = ("divide", "preshape", "shape", "load")
PARTS_APART = 100
"""Steps of the second part are numbered from here on, of the third from twice as far on."""


def steps_shown(
    solved: Solved, found: Sequence[CourseStep], times: Milestones, bulk: Span | None, load: Span | None
) -> tuple[Step, ...]:
    """All steps of a course; ``bulk`` and ``load`` are when the dough is likely ready to be divided, to be baked."""
    clock, keys = solved.clock, keys_of(solved, found)
    shown = []
    warned = False
    ends = _ends_bulk(found, times)
    for key, each in zip(keys, found, strict=True):
        step = _step(solved, each, key)
        if each.step in OF_AN_OVEN and not warned:
            step, warned = replace(step, cautions=(*step.cautions, caution(FIRST))), True
        if each is ends:
            rise = round(100 * rise_at_end(times.bulk))
            said = joined(message("shown-stop-at", rise=rise), step.detail) if times.bulk is not None else step.detail
            step = replace(step, detail=said, span=None if bulk is None else dated(bulk, clock))
        elif each.step == "load" and key == "load-1" and load is not None:
            step = replace(step, span=dated(load, clock))
        shown.append(step)
    shown += _old_doughs(solved, clock, times)
    return tuple(sorted(shown, key=lambda step: step.at))


def _ends_bulk(found: Sequence[CourseStep], times: Milestones) -> CourseStep | None:
    """The step that stops the bulk."""
    return next((each for each in found if each.step in ENDS_BULK and each.at >= times.bulk_end - 1e-6), None)


def keys_of(solved: Solved, found: Sequence[CourseStep]) -> tuple[str, ...]:
    """A key for each step that stays the same however the course moves: fold-2 is the second fold."""
    places = {part.path.name: place for place, part in enumerate(solved.parts)}
    count: Counter[tuple[str, int]] = Counter()
    keys = []
    for each in found:
        place = places.get(each.part, 0)
        count[each.step, place] += 1
        keys.append(f"{each.step}-{PARTS_APART * place + count[each.step, place]}")
    return tuple(keys)


def _step(solved: Solved, each: CourseStep, key: str) -> Step:
    ripening = next((one for one in solved.beside if _is_of(one, each)), None)
    span = None
    if ripening is not None and ripening.ripening is not None:
        span = dated(ripening.ripening.ripe, solved.clock)
    return Step(
        kind=each.step,
        at=solved.clock.at(each.at),
        minutes=round(each.minutes),
        title=_title(solved, each, ripening),
        detail=each.text,
        span=span,
        cautions=tuple(caution(code) for code in each.cautions),
        what=each.what,
        key=key,
        stage=each.stage,
        part=each.part,
    )


def _is_of(one: Beside, each: CourseStep) -> bool:
    return one.kind == each.step and abs(one.start - each.at) < 1e-9


def _title(solved: Solved, each: CourseStep, beside: Beside | None) -> Message:
    formula = solved.asked.formula
    if each.title:
        called = each.title
    elif each.step == "feed":
        name = beside.ripening.culture if beside is not None and beside.ripening is not None else ""
        called = message("shown-step-feed", culture=named(name) if name else message("course-the-culture"))
    elif each.step == "preferment" and beside is not None and beside.ripening is not None:
        kind = message(f"course-preferment-{beside.ripening.preferment.kind}")
        called = message("shown-step-preferment", kind=kind)
    elif each.step in ("divide", "shape"):
        called = message(f"shown-step-{each.step}", shape=formula.shape)
    else:
        called = message(f"shown-step-{each.step}")
    if each.number is None or each.of is None:
        return called
    return message("shown-numbered", what=called, number=each.number, of=each.of)


def _old_doughs(solved: Solved, clock: Clock, times: Milestones) -> list[Step]:
    """A piece of old dough comes out of the fridge before it is mixed in."""
    stirred = min(run.start for run in solved.runs if run.filled.kind in ("autolyse", "mix"))
    stages = [stage for stage in solved.parts[0].path.batch.weighed.stages if stage.kind == "old_dough"]
    return [
        Step(
            "old_dough", clock.at(stirred - OLD_DOUGH_WARMS_H), 1, message("shown-step-old_dough"), _old(stage), None,
            (), key=f"old_dough-{number}",
        )
        for number, stage in enumerate(stages, 1)
    ]  # fmt: skip


def _old(stage: Stage) -> Message:
    inside = [message("shown-amount-of", g=round(line.g, 1), name=line.name) for line in stage.lines]
    return message("shown-old-dough", g=round(stage.g, 1), inside=listed(*inside))
