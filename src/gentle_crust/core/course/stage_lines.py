"""What a method says, stage by stage, in words; and two formulas' methods side by side."""

from gentle_crust.core.course.method import Baking, Method, Series, Stage, Until, is_cold
from gentle_crust.core.course.styles import own_method
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.compare import Difference
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.messages import NOTHING, Message, listed, message


def ends(until: Until | None) -> Message:
    """What ends a stage that waits."""
    if until is None:
        return NOTHING
    if until.way == "span":
        return _length(*until.minutes)
    if until.way in ("rise", "share"):
        return message(f"stage-until-{until.way}", percent=round(100 * until.value))
    if until.way == "dough_c":
        return message("stage-until-dough-c", warm=until.value)
    if until.way == "at":
        hour, minute = divmod(round(until.value * 60), 60)
        return message("stage-until-at", at=f"{hour:02d}:{minute:02d}")
    return message(f"stage-until-{until.way}")


def _length(low: float, high: float) -> Message:
    if high > low:
        return message("stage-until-span", low=low, high=high)
    return message("stage-until-minutes", low=low)


def stage_line(stage: Stage) -> Message:
    """What is said of one stage; what it leaves to be filled is not."""
    parts = [] if stage.place is None else [message(f"course-place-{stage.place.name.replace('_', '-')}")]
    parts += [ends(stage.until)] if stage.until is not None else []
    if stage.minutes is not None:
        parts.append(_length(*stage.minutes))
    if stage.place is not None and stage.place.shelf != "middle":
        parts.append(message(f"stage-shelf-{stage.place.shelf}"))
    parts += [message(f"stage-in-{stage.container.replace('_', '-')}")] if stage.container else []
    if stage.how:
        parts.append(message(f"shown-folds-kind-{stage.how}" if stage.kind == "fold" else f"stage-how-{stage.how}"))
    parts += _bake_lines(stage.baking) if stage.baking is not None else []
    parts += [message(f"course-by-{stage.by.replace('_', '-')}")] if stage.by else []
    parts += [_folds(series) for series in stage.folds or ()]
    return listed(*parts) if parts else message("stage-as-it-suits")


def _folds(series: Series) -> Message:
    kind = message(f"shown-folds-kind-{series.kind}")
    gap = sum(series.gap_min) / 2
    return message("stage-folds", count=series.count, kind=kind, first=series.first_min, gap=gap)


def _bake_lines(baking: Baking) -> list[Message]:
    """What a method itself says of its bake."""
    parts = [] if baking.vessel is None else [message(f"the-vessel-{baking.vessel.kind}")]
    parts += [message(f"stage-heated-{baking.heated.replace('_', '-')}")] if baking.heated else []
    parts += [] if baking.preheat_min is None else [message("stage-preheat", minutes=baking.preheat_min)]
    parts += [message("stage-steam", what=message(f"steam-{each.kind}")) for each in baking.steam or ()]
    parts += [message("stage-heat", minutes=each.minutes, warm=each.setpoint_c) for each in baking.stages or ()]
    return parts


def stage_name(stage: Stage) -> Message:
    """What a stage is called: a bulk in the fridge is another thing than one in the room."""
    return message("stage-cold" if is_cold(stage) else "stage-named", kind=message(f"course-kind-{stage.kind}"))


def compare_methods(before: Formula, after: Formula) -> tuple[Difference, ...]:
    """The methods of two versions side by side, stage by stage; nothing if neither has one of its own."""
    old, new = _lines(before), _lines(after)
    names = [*new, *(name for name in old if name not in new)]
    return tuple(
        Difference(name, old.get(name, NOTHING), new.get(name, NOTHING), old.get(name) != new.get(name))
        for name in names
    )


def _lines(formula: Formula) -> dict[Message, Message]:
    if formula.method is None:
        return {}
    try:
        method = own_method(formula)
    except CraftError:
        return {message("stage-method"): message("stage-unreadable")}
    found: dict[Message, Message] = {}
    for part, stages in _paths(method):
        for stage in stages:
            name, number = stage_name(stage), 1
            while (line := _called(part, name, number)) in found:
                number += 1
            found[line] = stage_line(stage)
    return found


def _called(part: str, name: Message, number: int) -> Message:
    if part:
        return message("stage-line-of-part", part=part, stage=name, number=number)
    return message("stage-line", stage=name, number=number)


def _paths(method: Method) -> tuple[tuple[str, tuple[Stage, ...]], ...]:
    return (("", method.stages), *((part.name, part.stages) for part in method.parts))
