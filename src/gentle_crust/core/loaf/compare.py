"""Two to six bakes side by side: what was set, what was done and what came of it; and how many things differ."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Literal

from gentle_crust.core.errors import CraftError
from gentle_crust.core.messages import NOTHING, Message, listed, message

Group = Literal["formula", "method", "done", "came"]
FEWEST, MOST = 2, 6
NAMED = 5
"""So many things are named; all stand in the lines."""
CAUSE = {"warm_up": "proof", "keep": "proof", "preshape": "shape", "bench_rest": "shape", "autolyse": "mix"}
"""Stages that go with another: a cold proof's warming up is no second thing that differs."""


@dataclass(frozen=True)
class Fact:
    """Something of one bake: what it is, and what is said of it.

    A ``figure`` that is as ``near`` as that to the others' is the same as theirs. ``stage``: the kind of stage that it
    is about, empty if none.
    """

    what: Message
    group: Group
    said: Message
    figure: float | None = None
    near: float = 0.0
    stage: str = ""


@dataclass(frozen=True)
class Line:
    """One thing of all of them, NOTHING where it is not known of one. ``counts``: it is one of the things counted."""

    what: Message
    group: Group
    values: tuple[Message, ...]
    differs: bool
    counts: bool


@dataclass(frozen=True)
class Compared:
    """Bakes side by side, with the number of things that were set or done differently, and what that is worth."""

    lines: tuple[Line, ...]
    things: int
    worth: Message


def compare(sides: Sequence[Sequence[Fact]]) -> Compared:
    """What differs between two to six bakes. CraftError for fewer or more."""
    if not FEWEST <= len(sides) <= MOST:
        raise CraftError("bakes", "compare-how-many", least=FEWEST, most=MOST)
    rows = list(_rows(sides))
    set_stages = {_cause(facts) for group, facts, differs in rows if group == "method" and differs}
    lines, causes = [], dict[str, Message]()
    for group, facts, differs in rows:
        what = next(fact.what for fact in facts if fact is not None)
        cause = _cause(facts)
        counts = differs and group != "came" and not (group == "done" and cause and cause in set_stages)
        if counts:
            causes.setdefault(cause or str(what), what)
        said = tuple(NOTHING if fact is None else fact.said for fact in facts)
        lines.append(Line(what, group, said, differs, counts))
    return Compared(tuple(lines), len(causes), _worth(tuple(causes.values())))


Row = tuple[Group, list[Fact | None], bool]


def _rows(sides: Sequence[Sequence[Fact]]) -> Iterator[Row]:
    """Each thing that any of them has, in the order of the first that has it."""
    names: dict[tuple[str, Message], None] = {}
    for side in sides:
        names |= {(fact.group, fact.what): None for fact in side}
    for group, what in names:
        facts = [next((f for f in side if (f.group, f.what) == (group, what)), None) for side in sides]
        first = next(fact for fact in facts if fact is not None)
        yield first.group, facts, _differ(facts, first.group)


def _differ(facts: list[Fact | None], group: Group) -> bool:
    """Whether they differ; what is only not known of one of them does not."""
    there = [fact for fact in facts if fact is not None]
    if len(there) < len(facts) and group in ("formula", "method"):
        return True
    figures = [fact.figure for fact in there if fact.figure is not None]
    if len(figures) == len(there):
        return bool(figures) and max(figures) - min(figures) > max(fact.near for fact in there)
    return len({fact.said for fact in there}) > 1


def _cause(facts: list[Fact | None]) -> str:
    """The stage that a thing is about, or that which it goes with."""
    stage = next(fact.stage for fact in facts if fact is not None)
    return CAUSE.get(stage, stage)


def _worth(things: tuple[Message, ...]) -> Message:
    """How much may be concluded where so many things differ."""
    if not things:
        return message("compare-nothing-differs")
    if len(things) == 1:
        return message("compare-one-differs", what=things[0])
    more = "yes" if len(things) > NAMED else "no"
    return message("compare-several-differ", count=len(things), what=listed(*things[:NAMED]), more=more)
