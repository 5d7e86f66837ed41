"""What a baker changes by hand of a course under way, and the ids and keys of stages and steps that come of it."""

from dataclasses import dataclass
from datetime import datetime
from typing import Literal

EditCode = Literal["fridge", "take_out", "end", "stage", "split", "vessel", "weighed"]
HAND = "hand"
"""Ids of stages that an edit puts in begin so."""
KEYS_FROM = 10_000
"""Steps of an edit's stages are numbered from here on, those of the second edit from twice as far on."""
OF_A_STAGE = 100
"""And so many numbers are kept for the steps of one stage."""


@dataclass(frozen=True)
class Edit:
    """One change by hand, made ``at`` an instant; ``number`` counts those of a dough from 1, and is never used again.

    ``stage`` is the id of the stage that it is about: the one that the dough was in, or after which another comes.
    ``fridge``: into the fridge until ``until``, after it had run for ``minutes``. ``take_out``: out again, for
    ``minutes`` unless it goes on until it is ready. ``end``: the stage has come to its end. ``stage``: one of ``kind``
    comes after it, for ``minutes``. ``split``: so many ``pieces`` are wanted by ``until`` instead. ``vessel``: the id
    of what it is baked in. ``weighed``: the whole dough weighs ``dough_g``.
    """

    code: EditCode
    number: int
    at: datetime
    stage: str = ""
    until: datetime | None = None
    kind: str = ""
    minutes: float | None = None
    pieces: int | None = None
    vessel: str = ""
    dough_g: float | None = None


def hand_id(number: int, place: int) -> str:
    """The id of the stage that an edit puts in at its ``place``, counted from 0."""
    return f"{HAND}-{number}-{place}"


def hand_key(kind: str, stage: str, count: int) -> str:
    """The key of the step, the ``count``-th of its kind, of a stage that an edit put in."""
    _, number, place = stage.split("-")
    return f"{kind}-{KEYS_FROM * int(number) + OF_A_STAGE * int(place) + count}"


def stage_of_key(key: str) -> str | None:
    """The id of an edit's stage, from the key of one of its steps; None of any other step."""
    number = key.rpartition("-")[2]
    if not number.isdigit() or int(number) < KEYS_FROM:
        return None
    return hand_id(int(number) // KEYS_FROM, int(number) % KEYS_FROM // OF_A_STAGE)


def is_by_hand(stage: str) -> bool:
    """Whether an edit put a stage in."""
    return stage.startswith(f"{HAND}-") and stage.count("-") == 2
