"""What a bake tells of its kitchen, read off its plan as it was shown and what was pressed."""

from dataclasses import replace
from datetime import datetime, timedelta
from typing import Any
from zoneinfo import ZoneInfo

import numpy as np

from gentle_crust.contract import events as bodies
from gentle_crust.contract.adapted import Adapted
from gentle_crust.contract.bakes import BakeTells, Told
from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.readings import RISES
from gentle_crust.core.learning.learnt import NOTHING_LEARNT, LearntHere, part_of_day
from gentle_crust.core.learning.tells import (
    SOONEST_H,
    RiseRead,
    beside_known,
    bowl_told,
    finger_told,
    fridge_told,
    late_told,
    loaf_told,
    pace_told,
    room_told,
    water_told,
)
from gentle_crust.kitchen.story import Story

HOUR = timedelta(hours=1)
FOLLOWS = timedelta(hours=1.5)
LEARNT: Adapted[LearntHere] = Adapted(LearntHere)


def tells_of(
    shown: dict[str, Any], asked: dict[str, Any], story: Story, mixed: datetime | None, verdict: str, how: str
) -> BakeTells:
    """What a finished bake tells. ``shown``: its plan; ``asked``: what that was asked for; ``mixed``: when its mixing
    began; ``verdict`` on its final proof, and ``how`` it came out. What cannot be read off is left out."""
    learnt = _learnt(asked)
    course = None if mixed is None else _Course.of(shown, mixed)
    found: dict[str, Any] = {
        "finger": finger_told(verdict, how),
        "bowl_loss": _bowl(shown, story),
        "late": _late(shown, story),
        "water": _water(shown, story),
    }
    if course is not None:
        found |= _of_course(course, story, asked, learnt)
    return replace(BakeTells(), **found)


def _learnt(asked: dict[str, Any]) -> LearntHere:
    try:
        return LEARNT.read(asked["learnt"]) if asked.get("learnt") else NOTHING_LEARNT
    except (KeyError, TypeError, ValueError):
        return NOTHING_LEARNT


class _Course:
    """A bulk as it was forecast: hours from the beginning of mixing, rise and warmth."""

    def __init__(self, mixed: datetime, points: list[dict[str, Any]]) -> None:
        first = datetime.fromisoformat(points[0]["at"])
        self.mixed = mixed
        self.hours = np.array([(datetime.fromisoformat(each["at"]) - first) / HOUR for each in points])
        self.rise = np.maximum.accumulate([float(each["rise"]) for each in points])
        self.warm = np.array([float(each["dough_c"]) for each in points])

    @classmethod
    def of(cls, shown: dict[str, Any], mixed: datetime) -> "_Course | None":
        """The first bulk of a plan; None of one that shows none."""
        try:
            points = next(part for part in shown["ribbon"]["parts"] if part["kind"] == "bulk")["points"]
            return cls(mixed, points) if len(points) > 2 else None
        except (StopIteration, KeyError, TypeError, ValueError):
            return None

    def at(self, when: datetime) -> float:
        """Hours from the beginning of mixing."""
        return (when - self.mixed) / HOUR

    def due(self, rise: float) -> float | None:
        """The hour at which it was to come to a rise."""
        return float(np.interp(rise, self.rise, self.hours)) if self.rise[0] < rise <= self.rise[-1] else None

    def slope(self, hour: float) -> float:
        """Rise an hour about then."""
        low, high = np.interp([hour - 0.15, hour + 0.15], self.hours, self.rise)
        return float(high - low) / 0.3

    def foretold_c(self, hour: float) -> float:
        """Its warmth then, C."""
        return float(np.interp(hour, self.hours, self.warm))


def _of_course(course: _Course, story: Story, asked: dict[str, Any], learnt: LearntHere) -> dict[str, Any]:
    """What its readings tell of leaven, room and fridge."""
    ends = _bulk_end(story, course)
    read = [each for each in story.of(bodies.READ) if each.body["kind"] == "dough_c"]
    warm = [(course.at(each.at), float(each.body["value"]), each.at) for each in read]
    in_bulk = [(hour, value, at) for hour, value, at in warm if -0.3 <= hour <= ends + 0.2]
    early = [(value - course.foretold_c(hour)) for hour, value, _ in in_bulk if hour <= SOONEST_H]
    began = early[0] if early else 0.0
    found: dict[str, Any] = {"pace": _pace(course, story, ends, in_bulk, learnt)}
    room: dict[int, Told] = {}
    for hour, value, at in in_bulk:
        told = room_told(hour, value, course.foretold_c(hour), began) if hour > SOONEST_H else None
        if told is not None:
            # A dough follows its room: what it has of it, it took up in the hour or two before.
            part = part_of_day(_local_hour(at - FOLLOWS, asked))
            room[part] = beside_known(told, learnt.room_k[part] if learnt.room_k else 0.0)
    found["room"] = tuple((part, *each) for part, each in sorted(room.items()))
    chilled = story.happened.done("chill-1")
    fridge = asked.get("fridge_c")
    if chilled is not None and isinstance(fridge, int | float):
        for _, value, at in warm:
            told = fridge_told((at - chilled) / HOUR, value, float(fridge)) if value < 14 else None
            found["fridge"] = told or found.get("fridge")
    return found


def _pace(course: _Course, story: Story, ends: float, warm: list[Any], learnt: LearntHere) -> Told | None:
    """The last rise of bulk against when it was due: the later, the surer."""
    offs = [value - course.foretold_c(hour) for hour, value, _ in warm]
    warmer = float(np.mean(offs)) if offs else None
    best: Told | None = None
    for each in story.of(bodies.READ):
        hour, rise = course.at(each.at), float(each.body["value"])
        due = course.due(rise) if each.body["kind"] in RISES else None
        if due is None or not 0 < hour <= ends + 0.2:
            continue
        told = pace_told(RiseRead(hour, due, course.slope(due), rise, each.body["kind"] == "rise_eye", warmer))
        if told is not None and (best is None or told[1] <= best[1]):
            best = told
    return None if best is None else beside_known(best, float(np.log(learnt.pace)))


def _bulk_end(story: Story, course: _Course) -> float:
    """Hours from mixing to whatever ended bulk."""
    ends = [story.happened.done(key) for key in ("divide-1", "preshape-1", "shape-1", "chill-1", "load-1")]
    return min((course.at(each) for each in ends if each is not None), default=float(course.hours[-1]))


def _local_hour(at: datetime, asked: dict[str, Any]) -> float:
    """The hour of the kitchen's day."""
    try:
        here = at.astimezone(ZoneInfo(str(asked.get("zone") or "UTC")))
    except (KeyError, ValueError):
        here = at
    return here.hour + here.minute / 60


def _bowl(shown: dict[str, Any], story: Story) -> Told | None:
    """What stayed behind of the dough, by its weight as it was divided."""
    weighed, totals = story.happened.dough_g, shown.get("totals") or {}
    if weighed is None or not totals.get("dough_g"):
        return None
    return bowl_told(float(totals["dough_g"]), weighed)


def bake_loss(piece_g: float, out_g: float | None) -> Told | None:
    """What a loaf lost in the oven, by its weight."""
    try:
        return None if out_g is None else loaf_told(piece_g, out_g)
    except CraftError:
        return None


def _water(shown: dict[str, Any], story: Story) -> Told | None:
    """How many points more water than written its flour took, until it felt right."""
    told, totals = story.of(bodies.WATER), shown.get("totals") or {}
    if not told or not totals.get("flour_g"):
        return None
    return water_told(sum(float(each.body["more_g"]) for each in told), float(totals["flour_g"]))


def _late(shown: dict[str, Any], story: Story) -> Told | None:
    """By how many minutes mixing was done later than planned: nothing of a dough made it wait."""
    planned = next((each for each in shown.get("steps") or [] if each.get("key") == "mix-1"), None)
    done = story.happened.done("mix-1")
    if planned is None or done is None or not planned.get("until", planned.get("at")):
        return None
    try:
        due = datetime.fromisoformat(str(planned["at"])) + timedelta(minutes=float(planned.get("minutes") or 0))
    except (KeyError, TypeError, ValueError):
        return None
    return late_told((done - due) / timedelta(minutes=1))
