"""A method as it is written down (plain records), read into stages, and refused where it cannot be baked."""

from collections.abc import Mapping, Sequence
from math import isfinite
from typing import Any

from gentle_crust.core import limits
from gentle_crust.core.course.kit_written import oven_of, steams_from, vessel_of
from gentle_crust.core.course.method import (
    BESIDE,
    CONTAINERS,
    FINISHES,
    FOLD_KINDS,
    HEATED,
    KINDS,
    PLACES,
    SHELVES,
    WAITING,
    WORK,
    Baking,
    HeatStage,
    Method,
    Part,
    Place,
    Series,
    Span,
    Stage,
    Until,
    numbered,
)
from gentle_crust.core.errors import CraftError, OutOfRange, Unreadable
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.messages import Message, message
from gentle_crust.core.oven.equipment import Vessel
from gentle_crust.core.water.mixing import friction_of

MOST_STAGES, MOST_PARTS = 40, 6
LONGEST_HOLD_H = 240.0
LONGEST_WORK_MIN = 240.0
MOST_RISE, MOST_SHARE = 4.0, 1.05
DOUGH_WARMS_C = (1.0, 40.0)
HOTTEST_C = 550.0
BEFORE_MIXING = (*BESIDE, "autolyse")
AFTER_BAKING = ("cool", "keep", "finish")
ONCE = ("autolyse", "mix", "divide", "bake")
"""Stages that one piece of dough goes through once at most."""
Written = Mapping[str, Any]


class _At:
    """Where in a method something stands, for a sentence about it."""

    def __init__(self, field: str, number: int, kind: str) -> None:
        self.field, self.number, self.kind = field, number, kind

    @property
    def name(self) -> Message:
        """As a baker says it."""
        return message("course-stage-named", number=self.number, kind=message(f"course-kind-{self.kind}"))

    def wrong(self, part: str, code: str, **data: Any) -> CraftError:
        """An error at a part of the stage."""
        return CraftError(f"{self.field}.{part}" if part else self.field, code, stage=self.name, **data)

    def one_of(self, part: str, value: str, names: Sequence[str]) -> str:
        """A value that must be one of ``names``."""
        if value not in names:
            raise self.wrong(part, "course-not-one-of", value=value, names=tuple(names))
        return value

    def between(self, part: str, value: float, low: float, high: float, unit: str) -> float:
        """A figure that must lie within limits."""
        if not isfinite(value) or not low <= value <= high:
            shown = message(f"unit-{unit or 'none'}")
            raise OutOfRange(
                f"{self.field}.{part}",
                "course-out-of-range",
                stage=self.name,
                value=value,
                low=low,
                high=high,
                shown=shown,
            )
        return value


def method_of(written: Written, formula: Formula | None = None) -> Method:
    """The method that is written down, every stage with an id.

    ``formula``: what it is for, if that is known; its preferments are what ``which`` counts. Raises CraftError, naming
    the stage and the remedy, for a method that cannot be baked.
    """
    stages, parts = written.get("stages") or [], written.get("parts") or []
    if not stages and not parts:
        raise CraftError("method.stages", "course-empty")
    most = max([len(stages), *(len(stages) + len(part.get("stages") or []) for part in parts)])
    if most > MOST_STAGES:
        raise CraftError("method.stages", "course-too-many", count=most, most=MOST_STAGES)
    if len(parts) > MOST_PARTS:
        raise CraftError("method.parts", "course-too-many-parts", count=len(parts), most=MOST_PARTS)
    trunk = tuple(_stage(each, f"method.stages.{i}", i + 1, formula) for i, each in enumerate(stages))
    found: list[Part] = []
    for place, part in enumerate(parts):
        where = f"method.parts.{place}"
        own = part.get("stages") or []
        read = tuple(_stage(each, f"{where}.stages.{i}", len(stages) + i + 1, formula) for i, each in enumerate(own))
        found.append(_part(part, where, read, found))
    method = Method(trunk, tuple(found))
    _ids_differ(method)
    for name, path in method.paths:
        _can_be_baked(path, len(trunk), next((i for i, part in enumerate(found) if part.name == name), None))
    return numbered(method)


def _part(part: Written, where: str, stages: tuple[Stage, ...], before: list[Part]) -> Part:
    name = str(part.get("name") or "").strip()
    if not name:
        raise CraftError(f"{where}.name", "course-part-unnamed")
    if name in [other.name for other in before]:
        raise CraftError(f"{where}.name", "course-part-twice", name=name)
    pieces = part.get("pieces")
    if not pieces or pieces < 1:
        raise CraftError(f"{where}.pieces", "course-part-without-pieces", name=name)
    if not stages:
        raise CraftError(f"{where}.stages", "course-part-empty", name=name)
    return Part(name, int(pieces), stages)


def _ids_differ(method: Method) -> None:
    ids = [stage.id for stage in (*method.stages, *(each for part in method.parts for each in part.stages)) if stage.id]
    for each in ids:
        if ids.count(each) > 1:
            raise CraftError("method.stages", "course-id-twice", id=each)


def _can_be_baked(path: tuple[Stage, ...], trunk: int, part: int | None) -> None:
    """One dough from beginning to end: mixed before it is divided, baked once, nothing that ferments afterwards."""
    seen: list[str] = []
    for place, stage in enumerate(path):
        inside = part is not None and place >= trunk
        field = f"method.parts.{part}.stages.{place - trunk}" if inside else f"method.stages.{place}"
        at = _At(field, place + 1, stage.kind)
        if stage.kind in ONCE and stage.kind in seen:
            raise at.wrong("kind", "course-twice")
        if "bake" in seen and stage.kind not in AFTER_BAKING:
            raise at.wrong("kind", "course-after-the-bake")
        if stage.kind in BEFORE_MIXING and "mix" in seen:
            raise at.wrong("kind", "course-before-mixing")
        if stage.kind not in (*BEFORE_MIXING, "mix") and "mix" not in seen:
            raise at.wrong("kind", "course-not-mixed-yet")
        seen.append(stage.kind)
    if "mix" not in seen:
        raise CraftError("method.stages", "course-never-mixed")


def _stage(written: Written, field: str, number: int, formula: Formula | None) -> Stage:
    kind = str(written.get("kind") or "")
    if kind not in KINDS:
        at = _At(field, number, "unknown")
        raise Unreadable(f"{field}.kind", "course-kind-unknown-value", value=kind, names=KINDS)
    at = _At(field, number, kind)
    given = {key: value for key, value in written.items() if value is not None}
    _only_its_own(at, kind, given)
    minutes, until = given.get("minutes"), given.get("until")
    if kind in WAITING and minutes is not None:
        if until is not None:
            raise at.wrong("until", "course-minutes-and-until")
        until, minutes = {"minutes": minutes}, None
    folds = given.get("folds")
    which = given.get("which")
    if which is not None and formula is not None:
        _which(at, kind, which, formula)
    return Stage(
        kind=kind,
        id=str(given.get("id") or ""),
        minutes=None if minutes is None else _span(at, "minutes", minutes, LONGEST_WORK_MIN, "min"),
        until=None if until is None else _until(at, kind, until),
        place=_place(at, given),
        container=None if "container" not in given else at.one_of("container", given["container"], CONTAINERS),
        covered=given.get("covered"),
        folds=None if folds is None else tuple(_series(at, each, i) for i, each in enumerate(folds)),
        by=None if "by" not in given else _by(at, given["by"]),
        order=tuple(given.get("order") or ()),
        late=None if "late" not in given else tuple(given["late"]),
        which=which,
        how=_how(at, kind, given),
        count=None if "count" not in given else int(at.between("count", given["count"], 1, 12, "")),
        baking=_baking(at, given) if kind == "bake" else None,
    )


_EVERYWHERE = ("kind", "id")
_OWN: dict[str, tuple[str, ...]] = {
    "mix": ("by", "order", "late"),
    "knead": ("by", "late"),
    "fold": ("fold", "count"),
    "finish": ("with",),
    "bake": ("vessel", "heated", "preheat_min", "steam", "stages", "done", "oven"),
}
_STANDS = ("place", "shelf", "path", "container", "covered")


def _only_its_own(at: _At, kind: str, given: Written) -> None:
    """Refuse what this kind of stage does not have: it would be silently without effect."""
    able = [*_EVERYWHERE, *_OWN.get(kind, ())]
    able += ["which", "until", *_STANDS] if kind in BESIDE else []
    able += ["minutes", *_STANDS] if kind in WORK else []
    able += ["until", "minutes", "folds", *_STANDS] if kind in WAITING else []
    for key in given:
        if key not in able:
            raise at.wrong(key, "course-not-of-this-stage", key=key, names=tuple(able[2:]))


def _span(at: _At, part: str, value: Any, most: float, unit: str) -> Span:
    """A number, or least and most of it."""
    ends = [value, value] if isinstance(value, (int, float)) else list(value)
    if len(ends) != 2:
        raise at.wrong(part, "course-not-a-span")
    low, high = (float(end) for end in ends)
    at.between(part, low, 0, most, unit)
    at.between(part, high, 0, most, unit)
    if low > high:
        raise at.wrong(part, "course-span-reversed", low=low, high=high)
    return low, high


def _until(at: _At, kind: str, value: Any) -> Until:
    if isinstance(value, str):
        words = ("ripe",) if kind in BESIDE else ("ready", "judged")
        return Until(at.one_of("until", value, words))  # type: ignore[arg-type]
    given = {key: each for key, each in dict(value).items() if each is not None}
    if len(given) != 1:
        raise at.wrong("until", "course-until-one-of")
    (way, each), *_ = given.items()
    if way == "minutes":
        return Until("span", minutes=_span(at, "until.minutes", each, 60 * LONGEST_HOLD_H, "min"))
    if way == "hours":
        low, high = _span(at, "until.hours", each, LONGEST_HOLD_H, "h")
        return Until("span", minutes=(60 * low, 60 * high))
    if way == "at":
        return Until("at", value=_hour(at, each))
    bounds = {"rise": (0.02, MOST_RISE, ""), "share": (0.2, MOST_SHARE, ""), "dough_c": (*DOUGH_WARMS_C, "C")}
    if way not in bounds or kind in BESIDE:
        raise at.wrong("until", "course-until-one-of")
    low, high, unit = bounds[way]
    return Until(way, at.between(f"until.{way}", float(each), low, high, unit))


def _hour(at: _At, value: str) -> float:
    hours, _, minutes = str(value).partition(":")
    if not (hours.isdigit() and minutes.isdigit() and int(hours) < 24 and int(minutes) < 60 and len(minutes) == 2):
        raise at.wrong("until.at", "course-not-a-clock-time", value=str(value))
    return int(hours) + int(minutes) / 60


def _place(at: _At, given: Written) -> Place | None:
    shelf = at.one_of("shelf", given.get("shelf", "middle"), SHELVES)
    if "path" in given:
        if not given["path"]:
            raise at.wrong("path", "course-path-empty")
        path = []
        for i, each in enumerate(given["path"]):
            hours = at.between(f"path.{i}.hours", float(each["hours"]), 0.01, LONGEST_HOLD_H, "h")
            path.append((hours, at.between(f"path.{i}.ambient_c", float(each["ambient_c"]), -5, 60, "C")))
        return Place("path", shelf, tuple(path))
    if "place" not in given:
        return None
    return Place(at.one_of("place", given["place"], PLACES), shelf)


def _series(at: _At, each: Written, place: int) -> Series:
    where = f"folds.{place}"
    kind = at.one_of(f"{where}.kind", each.get("kind") or "stretch", FOLD_KINDS)
    count = int(at.between(f"{where}.count", each.get("count") or 0, 0, 12, ""))
    first = at.between(f"{where}.first_min", float(each.get("first_min") or 30.0), 0, 600, "min")
    gap = each.get("gap_min")
    return Series(kind, count, first, (30.0, 30.0) if gap is None else _span(at, f"{where}.gap_min", gap, 300, "min"))


def _by(at: _At, value: str) -> str:
    try:
        friction_of(value)
    except CraftError as error:
        raise at.wrong("by", "course-not-one-of", value=value, names=error.what.values["names"]) from error
    return value


def _how(at: _At, kind: str, given: Written) -> str | None:
    if kind == "fold":
        return at.one_of("fold", given.get("fold", "stretch"), FOLD_KINDS)
    if kind == "finish":
        return at.one_of("with", given.get("with", "topping"), FINISHES)
    return None


def _which(at: _At, kind: str, which: int, formula: Formula) -> None:
    count = len(rows_of(kind, formula))
    if not 0 <= which < max(count, 1):
        raise at.wrong("which", "course-no-such-row", which=which, count=count)


def rows_of(kind: str, formula: Formula) -> tuple[int, ...]:
    """Which preferments (or soakers) of a formula a stage of this kind may ripen, by their place in it."""
    if kind == "levain":
        return tuple(i for i, one in enumerate(formula.preferments) if one.kind == "levain")
    if kind == "preferment":
        yeasted = ("poolish", "biga", "sponge")
        return tuple(i for i, one in enumerate(formula.preferments) if one.kind in yeasted)
    if kind in ("soak", "scald"):
        wanted = "soaker" if kind == "soak" else "scald"
        return tuple(i for i, one in enumerate(formula.soakers) if one.kind == wanted)
    return (0,)


def _baking(at: _At, given: Written) -> Baking:
    done = given.get("done") or {}
    stages = given.get("stages")
    heated = None if "heated" not in given else at.one_of("heated", given["heated"], HEATED)
    preheat, most = given.get("preheat_min"), limits.PREHEAT_MIN
    core, colour, loss = done.get("core_c"), done.get("colour"), done.get("loss_fraction")
    oven, fired = (None, None) if given.get("oven") is None else oven_of(given["oven"])
    return Baking(
        oven=oven,
        fired=fired,
        vessel=None if given.get("vessel") is None else _vessel(given["vessel"], at),
        heated=heated,
        preheat_min=None if preheat is None else at.between("preheat_min", preheat, most.low, most.high, most.unit),
        steam=None if given.get("steam") is None else steams_from(given["steam"]),
        stages=None if stages is None else tuple(_heat_stage(at, each, i) for i, each in enumerate(stages)),
        core_c=None if core is None else at.between("done.core_c", core, 60, 105, "C"),
        colour=None if colour is None else at.between("done.colour", colour, 0, 100, ""),
        loss=None if loss is None else at.between("done.loss_fraction", loss, 0, 0.5, ""),
    )


def _vessel(written: Any, at: _At) -> Vessel:
    try:
        return vessel_of(written)
    except CraftError as error:
        kind = written if isinstance(written, str) else written.get("kind", "")
        raise at.wrong("vessel", "course-not-one-of", value=kind, names=error.what.values["names"]) from error


def _heat_stage(at: _At, each: Written, place: int) -> HeatStage:
    known = {key: value for key, value in each.items() if value is not None}
    minutes = at.between(f"stages.{place}.minutes", float(known.get("minutes", 0)), 1, 24 * 60, "min")
    setpoint = at.between(f"stages.{place}.setpoint_c", float(known.get("setpoint_c", 0)), 0, HOTTEST_C, "C")
    rest = {key: value for key, value in known.items() if key not in ("minutes", "setpoint_c")}
    return HeatStage(minutes, setpoint, **rest)
