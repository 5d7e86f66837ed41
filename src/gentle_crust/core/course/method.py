"""A baker's process as data: stages in their order, and parts where pieces go different ways."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import Literal

from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.oven.kit import Fired, Steam

BESIDE = ("soak", "scald", "feed", "levain", "preferment")
"""Stages that go on beside the dough and are wanted when it is mixed."""
WORK = ("mix", "knead", "fold", "knock_back", "divide", "preshape", "shape", "finish", "score")
"""Stages of hands: they take ``minutes``."""
WAITING = ("autolyse", "rest", "bulk", "warm_up", "bench_rest", "proof", "keep", "cool")
"""Stages that wait: they go on ``until`` something."""
KINDS = (*BESIDE, *WORK, *WAITING, "bake")
PLACES = ("room", "fridge", "proofer", "oven_off", "outdoors", "bath")
SHELVES = ("top", "middle", "bottom")
CONTAINERS = ("covered_bowl", "box", "banneton", "couche", "tin", "tray", "vessel", "bag", "insulated")
FOLD_KINDS = ("stretch", "bowl", "coil", "letter")
FINISHES = ("glaze", "seeds", "oats", "flour", "oil", "topping")
HEATED = ("all", "lid", "hob", "none", "oven_only")

Way = Literal["rise", "share", "ready", "ripe", "span", "dough_c", "at", "judged"]
Span = tuple[float, float]
"""Least and most."""


@dataclass(frozen=True)
class Until:
    """What ends a stage that waits.

    ``value`` is a rise or a share (fractions), the dough's temperature (C) or an hour of the local day (0-24), as
    ``way`` says; of a span, ``minutes`` are its least and most: a hold may be as long as it suits between them.
    """

    way: Way
    value: float = 0.0
    minutes: Span = (0.0, 0.0)

    @property
    def hold(self) -> bool:
        """Whether its length may be chosen."""
        return self.way == "span" and self.minutes[1] > self.minutes[0]


@dataclass(frozen=True)
class Place:
    """Where a dough stands. ``path``: hours and C, one after the other, if ``name`` is path."""

    name: str
    shelf: str = "middle"
    path: tuple[tuple[float, float], ...] = ()


@dataclass(frozen=True)
class Series:
    """Sets of folds of one kind: the first so many minutes into its stage, the others between ``gap_min`` apart."""

    kind: str
    count: int
    first_min: float
    gap_min: Span


@dataclass(frozen=True)
class HeatStage:
    """Minutes of a bake at a set point (C; 0: oven off), and what is done as it begins."""

    minutes: float
    setpoint_c: float
    covered: bool = False
    fan: bool = False
    door: Literal["shut", "ajar"] = "shut"
    grill: bool = False
    turn: bool = False
    swap: bool = False
    out_of_tin: bool = False


@dataclass(frozen=True)
class Baking:
    """What a bake stage says of its bake; what it leaves out is filled from the kitchen.

    ``heated``: all of oven and vessel, only the lid, its base on the hob, none (a cold oven), or the oven only (a cold
    vessel in it); ``preheat_min`` for how long, if not until what is heated is soaked through.
    ``fired``: what a wood-fired oven was fired to. ``core_c`` (C), ``colour`` (0-100) and
    ``loss`` (share of the dough) are what is wanted of it.
    """

    oven: Oven | None = None
    fired: Fired | None = None
    vessel: Vessel | None = None
    heated: str | None = None
    preheat_min: float | None = None
    steam: tuple[Steam, ...] | None = None
    stages: tuple[HeatStage, ...] | None = None
    core_c: float | None = None
    colour: float | None = None
    loss: float | None = None


@dataclass(frozen=True)
class Stage:
    """One stage of a method, as its baker states it. None: left out, to be filled.

    ``minutes`` of work; ``by`` a way of mixing; ``order`` what goes into the bowl, first things first; ``late`` what
    is worked in last; ``which`` row of the formula ripens; ``how`` a fold's or a finish's kind, ``count`` how often.
    """

    kind: str
    id: str = ""
    minutes: Span | None = None
    until: Until | None = None
    place: Place | None = None
    container: str | None = None
    covered: bool | None = None
    folds: tuple[Series, ...] | None = None
    by: str | None = None
    order: tuple[str, ...] = ()
    late: tuple[str, ...] | None = None
    which: int | None = None
    how: str | None = None
    count: int | None = None
    baking: Baking | None = None


@dataclass(frozen=True)
class Part:
    """Pieces that go their own way from the end of the trunk on."""

    name: str
    pieces: int
    stages: tuple[Stage, ...]


@dataclass(frozen=True)
class Method:
    """Stages in their order; where pieces go different ways, parts with their own from there on."""

    stages: tuple[Stage, ...]
    parts: tuple[Part, ...] = ()

    @property
    def paths(self) -> tuple[tuple[str, tuple[Stage, ...]], ...]:
        """Each part's name with all of its stages, the trunk's first; without parts the trunk alone, as ""."""
        if not self.parts:
            return (("", self.stages),)
        return tuple((part.name, (*self.stages, *part.stages)) for part in self.parts)

    def stage(self, id_: str | None) -> Stage | None:
        """The stage of an id; None if there is none."""
        return next((stage for _, path in self.paths for stage in path if stage.id == id_), None)

    def changed(self, change: Callable[[tuple[Stage, ...]], tuple[Stage, ...]]) -> "Method":
        """The method with the stages of its trunk, and those of each part, changed."""
        trunk = change(self.stages)
        return Method(trunk, tuple(replace(part, stages=change(part.stages)) for part in self.parts))

    def pieces_of(self, name: str, all_pieces: int) -> int:
        """How many pieces a part has."""
        return next((part.pieces for part in self.parts if part.name == name), all_pieces)


def with_pieces(method: Method, pieces: int) -> Method:
    """The method for another number of pieces: the first part takes what is more, the last ones give what is less.

    Every part keeps one piece at least: fewer pieces than parts are left to be refused.
    """
    over = pieces - sum(part.pieces for part in method.parts)
    counts = [part.pieces for part in method.parts]
    if not counts or not over:
        return method
    for place in (0,) if over > 0 else range(len(counts) - 1, -1, -1):
        own = max(counts[place] + over, 1)
        counts[place], over = own, over - (own - counts[place])
    return replace(method, parts=tuple(replace(part, pieces=n) for part, n in zip(method.parts, counts, strict=True)))


def days_later(method: Method) -> dict[str, int]:
    """By how many whole days each part is baked later than the first one, as far as its holds say so."""

    def held_min(stages: tuple[Stage, ...]) -> float:
        spans = [stage.until.minutes for stage in stages if stage.until is not None and stage.until.way == "span"]
        return sum(sum(span) / 2 for span in spans)

    first = held_min(method.parts[0].stages) if method.parts else 0.0
    return {part.name: max(round((held_min(part.stages) - first) / 1440), 0) for part in method.parts}


def numbered(method: Method) -> Method:
    """The method with an id for every stage that has none: its kind, numbered if there are several."""
    taken = {stage.id for _, path in method.paths for stage in path if stage.id}

    def named(stages: tuple[Stage, ...]) -> tuple[Stage, ...]:
        found = []
        for stage in stages:
            name, number = stage.id, 1
            while not name:
                name = stage.kind if number == 1 else f"{stage.kind}-{number}"
                name, number = ("" if name in taken else name), number + 1
            taken.add(name)
            found.append(replace(stage, id=name))
        return tuple(found)

    return method.changed(named)


def is_cold(stage: Stage) -> bool:
    """Whether a stage stands in the fridge, by what its method says."""
    return stage.place is not None and stage.place.name == "fridge"
