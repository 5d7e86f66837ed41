"""A written recipe with its right reading.

``lines``: what each stage holds, as ``stage: kind grams, ...; stage: ...`` (``?``: present, its weight unknowable).
``course``: its stages in order, as ``kind figures | kind figures``; None: no method is written down.
"""

from dataclasses import dataclass, field
from textwrap import dedent
from typing import Any


@dataclass(frozen=True)
class Case:
    """One recipe and what it says."""

    name: str
    text: str
    lines: dict[tuple[str, str], float | None]
    course: tuple[str, ...] | None
    facts: dict[str, Any] = field(default_factory=dict)


def case(name: str, text: str, lines: str, course: str | None, **facts: Any) -> Case:
    """A case from its short notation; ``facts``: pieces, shape and the like of the formula."""
    wanted: dict[tuple[str, str], float | None] = {}
    for part in lines.split(";"):
        stage, _, items = part.strip().partition(":")
        for item in items.split(","):
            kind, grams = item.split()
            wanted[stage.strip(), kind] = None if grams == "?" else float(grams)
    stages = None if course is None else tuple(" ".join(each.split()) for each in course.split("|"))
    return Case(name, dedent(text).strip(), wanted, stages, facts)
