"""Long lists by pages: each names where the next one begins."""

from dataclasses import dataclass
from datetime import UTC, datetime
from typing import Generic, TypeVar

from gentle_crust.contract.strict import Short, Shown
from gentle_crust.core.errors import Unreadable

T = TypeVar("T")
PAGE = 30
"""Lines of one page (practice)."""
Place = tuple[datetime, str]
"""Where a line stands in a list: its instant, and its key among those of that instant."""


@dataclass(frozen=True)
class Page(Generic[T]):
    """Some lines of a list. ``more`` begins the next page; empty if there is none."""

    lines: tuple[T, ...]
    more: str = ""


class PageQuery(Shown):
    """Which part of a list: lines whose name holds ``name``, from where the page before said that there is ``more``."""

    name: Short = ""
    more: Short = ""


def written(place: Place) -> str:
    """A place as a page names it."""
    return f"{place[0].astimezone(UTC):%Y%m%dT%H%M%S.%f}_{place[1]}"


def place_of(more: str) -> Place | None:
    """The place that a page named; None for the beginning. Raises Unreadable for what no page named."""
    if not more:
        return None
    at, _, key = more.partition("_")
    try:
        return datetime.strptime(at, "%Y%m%dT%H%M%S.%f").replace(tzinfo=UTC), key
    except ValueError as error:
        raise Unreadable("more", "contract-page-unknown") from error
