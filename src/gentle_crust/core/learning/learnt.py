"""What a kitchen has taught, as forecasts take it, and in a baker's words."""

from collections.abc import Sequence
from dataclasses import dataclass
from math import exp

import numpy as np

from gentle_crust.core.learning.belief import Belief, Prior, Tell, believed
from gentle_crust.core.messages import NOTHING, Message, listed, message
from gentle_crust.core.tables import toml

PRIORS: dict[str, Prior] = {name: Prior(**row) for name, row in toml("learning").items()}
"""What is usual of each thing, by its name."""
LATEST = 40
"""So many tells of a thing count, the latest: earlier ones have drifted out (practice)."""
COUNTS_FROM = 2
"""One bake alone says too little to be told of."""
WORTH_PERCENT, WORTH_K, WORTH_SHARE = 3, 0.4, 0.004
"""Less than this is not worth saying."""


@dataclass(frozen=True)
class LearntHere:
    """What forecasts are moved by: a factor on the leaven's pace, with how sure the next bake's is (standard deviation
    of its logarithm; None: as usual), and by how many K room and fridge are warmer than they are said to be: the room
    at night, in the morning, the afternoon and the evening; empty while nobody knows.

    ``bakes``: how many the pace rests on. ``bowl_loss``: what of a dough stays in bowl and hands, a share.
    """

    pace: float = 1.0
    sigma: float | None = None
    bakes: int = 0
    room_k: tuple[float, ...] = ()
    fridge_k: float = 0.0
    bowl_loss: float | None = None
    bake_loss: float | None = None
    """What this formula's loaves lose in the oven, a share."""
    water: float = 0.0
    """How many points more water than written its flour takes."""
    late_min: float = 0.0
    """By how many minutes mixing is done later than planned."""

    @property
    def any(self) -> bool:
        """Whether anything was learnt."""
        return self != NOTHING_LEARNT


NOTHING_LEARNT = LearntHere()


def belief_of(what: str, tells: Sequence[Tell], season: int = 0, day: float | None = None) -> Belief:
    """What is believed of one thing.

    Parameters
    ----------
    what : its name: levain, yeast, room, fridge, bowl_loss, bake_loss, water, eye, finger, late
    tells : in order of their days
    season : the quarter of the year, 0-3
    day : for which day

    Returns
    -------
    The belief.
    """
    return believed(tells[-LATEST:], PRIORS[what], season, day)


def paced(leaven: str, tells: Sequence[Tell], season: int, day: float) -> tuple[float, float | None, int]:
    """How fast a leaven works here, as a forecast takes it.

    Parameters
    ----------
    leaven : levain or yeast
    tells : of its pace
    season, day : for which it is asked

    Returns
    -------
    Factor, standard deviation of the next bake's logarithm (None before anything was told), and how many tells.
    """
    if not tells:
        return 1.0, None, 0
    found = belief_of(leaven, tells, season, day)
    return round(exp(found.mean), 3), round(float(np.hypot(found.sd, PRIORS[leaven].scatter)), 3), found.tells


def said_of(what: str, found: Belief, by_jar: bool = False) -> Message:
    """What was learnt of one thing as a sentence, whoever it is about being named before it.

    Parameters
    ----------
    what : its name
    found : what is believed of it
    by_jar : of a culture whose jar is known: its doughs are told beside what their forecasts took from it

    Returns
    -------
    The sentence.
    """
    if what in ("levain", "yeast"):
        percent = round(100 * (exp(found.mean) - 1))
        return _more_or_less("learnt-pace-jar" if by_jar else "learnt-pace", percent, WORTH_PERCENT)
    if what == "room":
        return _room_said(found)
    if what == "fridge":
        return _more_or_less("learnt-fridge", round(found.mean, 1), WORTH_K)
    if what in ("bowl_loss", "bake_loss"):
        return message(f"learnt-{what.replace('_', '-')}", percent=round(100 * found.mean, 1))
    if what == "late":
        return _more_or_less("learnt-late", round(found.mean), 3)
    if what == "water":
        return _more_or_less("learnt-water", round(found.mean, 1), 0.5)
    return _more_or_less(f"learnt-{what}", round(100 * found.mean), 1)


PARTS = ("night", "morning", "afternoon", "evening")
"""Parts of a day, six hours each, from midnight on."""
HOURS_DIFFER_K = 0.5


def part_of_day(hour: float) -> int:
    """The part of the day in which an hour lies.

    Parameters
    ----------
    hour : of the local day, 0-24

    Returns
    -------
    0 (night) to 3 (evening).
    """
    return int(hour % 24 // 6)


def _hours_differ(by_part: Sequence[float]) -> bool:
    return bool(by_part) and max(by_part) - min(by_part) >= HOURS_DIFFER_K


def _room_said(found: Belief) -> Message:
    """How a room differs from what is said of it, by the parts of the day where they differ."""
    told = [round(found.year + each, 1) for each in found.seasons]
    if not _hours_differ(told):
        return _more_or_less("learnt-room", round(found.year, 1), WORTH_K)
    parts = tuple(
        _more_or_less("learnt-room-part", by, WORTH_K, part=message(f"learnt-part-{part}"))
        for part, by in zip(PARTS, told, strict=True)
    )
    return message("learnt-room-hours", parts=listed(*parts))


def _more_or_less(code: str, value: float, worth: float, **more: Message) -> Message:
    if abs(value) < worth:
        return message(f"{code}-usual", **more)
    return message(f"{code}-{'more' if value > 0 else 'less'}", by=abs(value), **more)


def sureness(what: str, found: Belief) -> float:
    """How much of what was not known of a thing at first is known now.

    Parameters
    ----------
    what : its name
    found : what is believed of it

    Returns
    -------
    A share, 0-1.
    """
    return round(min(max(1 - found.sd / PRIORS[what].sd, 0.0), 1.0), 2)


LATE_FROM_MIN, WATER_FROM = 8.0, 1.0


def notes_of(learnt: LearntHere, piece_g: float, by_jar: bool = False) -> tuple[Message, ...]:
    """What a plan says of the lessons that moved it, and of what is to be expected by them.

    Parameters
    ----------
    learnt : what moved it
    piece_g : weight of one piece of dough, g
    by_jar : whether it is raised by a culture whose jar is known

    Returns
    -------
    Sentences; those that say nothing are left out.
    """
    found = [note_of(learnt, by_jar)]
    if learnt.bake_loss is not None:
        found.append(message("learnt-note-loaf", piece=piece_g, loaf=piece_g * (1 - learnt.bake_loss)))
    if abs(learnt.water) >= WATER_FROM:
        found.append(_more_or_less("learnt-note-water", round(learnt.water, 1), WATER_FROM))
    if learnt.late_min >= LATE_FROM_MIN:
        found.append(message("learnt-note-late", minutes=round(learnt.late_min)))
    return tuple(each for each in found if each)


def note_of(learnt: LearntHere, by_jar: bool = False) -> Message:
    """What a plan says of the lessons that moved it; nothing where none did.

    Parameters
    ----------
    learnt : what moved it
    by_jar : whether it is raised by a culture whose jar is known

    Returns
    -------
    A sentence, or nothing.
    """
    percent = round(100 * (learnt.pace - 1))
    room = max(learnt.room_k, key=abs, default=0.0)
    by_hours = "-hours" if _hours_differ(learnt.room_k) else ""
    by_pace = bool(learnt.bakes) and abs(percent) >= WORTH_PERCENT
    by_room = abs(room) >= WORTH_K
    if not by_pace and not by_room and abs(learnt.fridge_k) < WORTH_K:
        return NOTHING
    return message(
        "learnt-note",
        pace=NOTHING
        if not by_pace
        else _more_or_less("learnt-note-pace-jar" if by_jar else "learnt-note-pace", percent, WORTH_PERCENT),
        room=NOTHING if not by_room else _more_or_less(f"learnt-note-room{by_hours}", round(room, 1), WORTH_K),
        fridge=NOTHING
        if abs(learnt.fridge_k) < WORTH_K
        else _more_or_less("learnt-note-fridge", round(learnt.fridge_k, 1), WORTH_K),
    )
