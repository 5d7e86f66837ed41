"""Several formulas on one day: all ingredients in one sum, and levains of one kind built once."""

from collections.abc import Iterable
from dataclasses import dataclass

from gentle_crust.core.formula.model import Formula, Preferment
from gentle_crust.core.formula.scaling import Weighed, sum_by_name
from gentle_crust.core.leaven.build import Build, build
from gentle_crust.core.messages import Message, named

SHARED_RATIO = 3.0
"""Parts of flour to one of culture in a shared build, if nothing else is asked (practice)."""


@dataclass(frozen=True)
class Batch:
    """One formula, weighed for the day."""

    formula: Formula
    weighed: Weighed


@dataclass(frozen=True)
class Amount:
    """Grams of something, or of the levain that goes into a dough."""

    name: Message
    g: float


@dataclass(frozen=True)
class SharedLevain:
    """One build for several doughs: of one flour, at one hydration; ``into`` names each dough and its grams."""

    flour: Message
    hydration_percent: float
    needed_g: float
    build: Build
    into: tuple[Amount, ...]


@dataclass(frozen=True)
class DaySum:
    """All that is needed, heaviest first, and the levains."""

    ingredients: tuple[Amount, ...]
    dough_g: float
    pieces: int
    levains: tuple[SharedLevain, ...]


def together(batches: tuple[Batch, ...], kept_g: float = 0.0, ratio: float = SHARED_RATIO) -> DaySum:
    """Sum ``batches``. ``kept_g`` of the levain is kept as culture; ``ratio`` parts of flour to one of culture.

    Levains of the same flour whose hydration differs by less than a point are built as one.
    """
    lines = (line for batch in batches for stage in batch.weighed.stages for line in stage.lines)
    total = sorted(sum_by_name(lines).items(), key=lambda item: -item[1])
    return DaySum(
        tuple(Amount(name, g) for name, g in total),
        sum(batch.weighed.dough_g for batch in batches),
        sum(batch.formula.pieces for batch in batches),
        tuple(_shared(batches, kept_g, ratio)),
    )


def _shared(batches: tuple[Batch, ...], kept_g: float, ratio: float) -> Iterable[SharedLevain]:
    groups: dict[tuple[Message, int], list[tuple[str, float, Preferment]]] = {}
    for batch in batches:
        for one, stage in zip(batch.formula.preferments, batch.weighed.stages, strict=False):
            if one.kind == "levain":
                key = (batch.formula.flour_called(one.flour_kind), round(one.hydration_percent))
                groups.setdefault(key, []).append((batch.formula.name, stage.g, one))
    for (flour, hydration), into in groups.items():
        needed = sum(g for _, g, _ in into)
        made = build(needed, kept_g, ratio, hydration / 100)
        yield SharedLevain(flour, hydration, needed, made, tuple(Amount(named(name), g) for name, g, _ in into))
