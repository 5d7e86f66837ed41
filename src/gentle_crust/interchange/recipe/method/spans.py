"""Spans of time, as sentences say them and as a course is written."""

import re
from dataclasses import replace
from typing import Any

from gentle_crust.interchange.recipe.clauses import Clause

Written = dict[str, Any]
Span = tuple[float, float]
OVERNIGHT_ROOM_MIN, OVERNIGHT_COLD_MIN = (480.0, 720.0), (480.0, 840.0)
"""Over night in the room, and in the fridge (practice)."""


def span_of(one: Clause, overnight: Span) -> Span | None:
    """The time a clause says, least and most in minutes; None if none."""
    if one.says(r"\bover-?night\b|all night|through the night|until (?:the )?(?:next )?morning") and not one.times:
        return overnight
    if not one.times:
        return None
    return sum(time.low for time in one.times), sum(time.high for time in one.times)


def ends_of(value: Any) -> Span:
    if value is None:
        return 0.0, 0.0
    return (float(value), float(value)) if isinstance(value, (int, float)) else (float(value[0]), float(value[1]))


def written_span(span: Span | None) -> Any:
    """A span as it is written: one number, or least and most."""
    if span is None:
        return None
    low, high = (round(end, 1) for end in span)
    low, high = (int(end) if end == int(end) else end for end in (low, high))
    return low if low == high else [low, high]


def with_times(one: Clause, times: list[Any]) -> Clause:
    return replace(one, times=tuple(times))


def minutes_understood(one: Clause) -> Clause:
    """A clause of waiting with a bare number: "rest 20" is twenty minutes."""
    bare = [
        count
        for count in one.counts
        if 5 <= count.low <= 180 and re.search(r"(?:rest|proof|prove|rise|bulk)(?: for)?\s*$", one.text[: count.start])
    ]
    if one.times or not bare:
        return one
    return with_times(one, [replace(bare[0], kind="time", unit="minute")])
