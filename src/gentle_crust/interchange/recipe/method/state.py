"""Where the reading of a method stands: its stages so far, and the sentence at hand."""

import re
from dataclasses import dataclass, field
from typing import Any

from gentle_crust.core.formula.model import Shape
from gentle_crust.interchange.recipe.clauses import Clause
from gentle_crust.interchange.recipe.method.spans import Span, Written
from gentle_crust.interchange.recipe.words import MIXERS, SHAPES

_RIPENS = {"levain": "levain", "poolish": "preferment", "biga": "preferment", "sponge": "preferment", "soaker": "soak",
           "scald": "scald"}  # fmt: skip
COLD_C = 10.0
"""Up to here a place is a fridge."""


@dataclass
class Told:
    """What a method says besides its stages."""

    pieces: int | None = None
    piece_g: float | None = None
    shape: Shape | None = None
    dough_c: float | None = None
    yeast_woken: bool = False


@dataclass
class Sentence:
    """A sentence as it was read: the stage it became, what was taken, and its words that were not understood."""

    text: str
    stage: Written | None = None
    stages: list[Written] = field(default_factory=list)
    took: dict[str, Any] = field(default_factory=dict)
    unread: str = ""


def shape_in(text: str) -> Shape | None:
    """The shape that a few words name."""
    found = [
        (match.start(), key)
        for key, pattern in SHAPES
        if (match := re.search(pattern, text, re.IGNORECASE)) is not None
    ]
    key = next((key for key, _ in SHAPES if any(key == other for _, other in found)), None)
    return key  # type: ignore[return-value]  # one of the shapes


def mixer_in(text: str) -> str | None:
    return next((key for key, pattern in MIXERS if re.search(pattern, text, re.IGNORECASE)), None)


class State:
    """Stages so far, what else was told, and the sentence at hand.

    ``subs``: the stages before the dough, by their id, each with its kind (levain, poolish, soaker …) and its row of
    the formula; ``units``: the recipe's own units of time, in minutes.
    """

    def __init__(self, subs: dict[str, tuple[str, int]], units: dict[str, float]) -> None:
        self.subs: dict[str, Written] = {
            key: {
                "kind": _RIPENS[kind],
                "id": key,
                "which": row,
                "until": "ripe" if kind not in ("soaker", "scald") else None,
            }
            for key, (kind, row) in subs.items()
        }
        self.units = units
        self.stages: list[Written] = []
        self.told = Told()
        self.sentences: list[Sentence] = []
        self.phase = "before"
        self.subject: list[str] = []
        self.flour_and_water = False
        self.series: Written | None = None
        self.series_min = 0.0
        self.bake: Written | None = None
        self.heat_c: float | None = None
        self.covered = False
        self.now = Sentence("")
        self.waking = False
        self.kept: Span | None = None

    def _took(self, key: str, value: Any) -> None:
        self.now.took[key] = value

    def _add(self, stage: Written) -> Written:
        self.stages.append(stage)
        self._touch(stage)
        return stage

    def _touch(self, stage: Written) -> None:
        if not any(stage is each for each in self.now.stages):
            self.now.stages.append(stage)
        if self.now.stage is None or self.now.stage["kind"] == "mix":
            self.now.stage = stage

    def _stand(self, stage: Written, one: Clause, span: Span | None) -> None:
        """Where it stands."""
        mild = [warmth for warmth in one.warmths if warmth > COLD_C]
        if one.has("cold") or (one.warmths and not mild):
            stage["place"] = "fridge"
        elif one.says(
            r"(?:switched[- ]off|turned[- ]off|cold) oven|oven (?:with|that is|switched|turned)[^.]*(?:light|lamp|off)|oven light|light on"
        ):
            stage["place"] = "oven_off"
        elif one.says(r"warm (?:place|spot|corner|cupboard)|somewhere warm|proofer|proving (?:drawer|box)"):
            stage["place"] = "proofer"
        elif mild and stage["kind"] != "cool":
            hours = round((span[1] if span else 24 * 60.0) / 60, 2)
            stage["path"] = [{"hours": max(hours, 0.05), "ambient_c": round(mild[0], 1)}]
            self._took("ambient_c", round(mild[0], 1))
        if stage.get("place"):
            self._took("place", stage["place"])
