"""A bake as a list draws it: its dough's way, thinned, on the clock of what was truly done; and its loaf."""

from datetime import datetime, timedelta
from typing import Any

import numpy as np

from gentle_crust.contract import events as bodies
from gentle_crust.contract.bakes import Drawn, DrawnPart, LoafLine
from gentle_crust.core.errors import CraftError
from gentle_crust.core.loaf.sheet import Sheet
from gentle_crust.core.plan.steps_shown import PARTS_APART
from gentle_crust.kitchen.record_photos import slice_of
from gentle_crust.kitchen.story import Story

MOST_POINTS = 9
"""Points of a stretch of dough: as many as a drawing the size of a thumb can show."""
MIN = timedelta(minutes=1)


def drawing(shown: dict[str, Any], story: Story, out: datetime | None, place: int = 0) -> Drawn | None:
    """A finished bake's dough from its plan as it was shown, moved to when its steps were done; None without either.

    ``place``: which of its parts, if several.
    """
    try:
        return None if out is None else _drawing(shown, story, out, place)
    except (KeyError, TypeError, ValueError, IndexError, CraftError):
        return None


def _drawing(shown: dict[str, Any], story: Story, out: datetime, place: int) -> Drawn | None:
    done = {deed.key: deed.at for deed in story.happened.deeds if not deed.skipped}
    planned = {str(step["key"]): datetime.fromisoformat(step["at"]) for step in shown["steps"]}
    minutes = {step["key"]: float(step["minutes"]) for step in shown["steps"]}
    knots = sorted((planned[key] + minutes[key] * MIN, at) for key, at in done.items() if key in planned)
    load = done.get(f"load-{PARTS_APART * place + 1}")
    if not knots or load is None:
        return None
    first = knots[0][1]
    asked = [(before - first) / MIN for before, _ in knots]
    came = np.maximum.accumulate([(at - first) / MIN for _, at in knots])
    parts = [_part(part, first, asked, came) for part in _ribbon(shown, place)]
    start = min(part.points[0][0] for part in parts)
    return Drawn(
        start=first + start * MIN,
        end=done.get(f"out-{PARTS_APART * place + 1}", out),
        load=load,
        parts=tuple(
            DrawnPart(part.kind, tuple((round(at - start, 1), rise, warm) for at, rise, warm in part.points))
            for part in parts
        ),
    )


def _ribbon(shown: dict[str, Any], place: int) -> list[dict[str, Any]]:
    """Stretches of dough of one part: those before it parted, and its own."""
    first: list[dict[str, Any]] = shown["ribbon"]["parts"]
    if not place:
        return first
    own: list[dict[str, Any]] = shown["outs"][place]["ribbon"]
    parted = datetime.fromisoformat(own[0]["points"][0]["at"])
    return [p for p in first if datetime.fromisoformat(p["points"][-1]["at"]) <= parted + MIN] + own


def _part(part: dict[str, Any], first: datetime, asked: list[float], came: np.ndarray[Any, Any]) -> DrawnPart:
    points = part["points"]
    places = np.unique(np.linspace(0, len(points) - 1, min(len(points), MOST_POINTS)).round().astype(int))
    chosen = [points[place] for place in places]
    at = np.array([(datetime.fromisoformat(point["at"]) - first) / MIN for point in chosen])
    # Before the first press and after the last the plan's own pace holds.
    moved = np.where(at < asked[0], at - asked[0] + came[0], np.interp(at, asked, came))
    moved = np.where(at > asked[-1], at - asked[-1] + came[-1], moved)
    return DrawnPart(
        str(part["kind"]),
        tuple(
            (float(when), round(float(point["rise"]), 3), round(float(point["dough_c"]), 1))
            for when, point in zip(moved, chosen, strict=True)
        ),
    )


def sheets_of(story: Story) -> list[Sheet]:
    """What was said of its loaves, in order of time."""
    return [bodies.SHEET.read(each.body) for each in story.of(bodies.LOAF)]


def loaf_line(story: Story, part: str = "") -> LoafLine | None:
    """What was said last of the loaf on its day, or of a part's if one is named; None if nothing was."""
    sheets = [sheet for sheet in sheets_of(story) if not part or sheet.part == part]
    found = [each for each in sheets if each.day == 0]
    if not found:
        return None
    last, latest = found[-1], max(each.day for each in sheets)
    crumb = slice_of(story, part)
    holes = None if crumb is None else crumb.read.holes_fraction
    return LoafLine(last.form, last.scores, last.blow_out, last.openness, last.top_colour, last.liked, latest, holes)
