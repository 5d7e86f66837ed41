"""What ferments or drinks before the dough is mixed, and yeast that is woken."""

import re
from typing import Any

from gentle_crust.interchange.recipe.clauses import Clause
from gentle_crust.interchange.recipe.ingredients import named_in
from gentle_crust.interchange.recipe.method.mixing import Mixing
from gentle_crust.interchange.recipe.method.spans import (
    OVERNIGHT_COLD_MIN,
    OVERNIGHT_ROOM_MIN,
    span_of,
    written_span,
)

_SUB_WORDS = {
    "levain": r"levain|leaven|\bsour(?:dough)?\b|starter", "poolish": r"poolish|pre-?ferment", "biga": r"biga",
    "sponge": r"sponge", "soaker": r"soaker|seeds|grains|soak(?:ed)?", "scald": r"scald(?:ed)?|porridge|oats|cornmeal|roux",
    "first": r"first (?:stage|build)", "second": r"second (?:stage|build)", "third": r"third (?:stage|build)",
}  # fmt: skip
_DOUGH_WORDS = r"\bflours?\b|\bsalt\b|\bdough\b|everything|\bbutter\b|\ball (?:the )?(?:other )?ingredients|\brest of\b"
_DROPS = ("knead", "divide", "shape", "preshape", "bake", "fold")


WOKEN_MIN = 20.0
"""Yeast in warm water is woken for no longer than this (practice)."""


class Beside(Mixing):
    """Reads what stands before the dough."""

    def _about_preferment(self, one: Clause) -> bool:
        """Whether a clause speaks of a preferment, a levain or a soaker, and not of the dough it goes into."""
        if not self.subs:
            return False
        named = [key for key in self.subs if re.search(_SUB_WORDS.get(key, key), one.text, re.IGNORECASE)]
        soaked = [key for key in self.subs if self.subs[key]["kind"] in ("soak", "scald")]
        if one.has("soak") and soaked:
            named = named or soaked[:1]
            self.subject = [key for key in named if key in soaked] or soaked[:1]
            return True
        dough = one.says(_DOUGH_WORDS) or (one.has("mix") and one.says(r"\badd(?:ed)?\b|mix(?:ed)? in|\bwith\b"))
        if named and dough and not (self.subject and set(named) <= set(self.subject) and not one.has("mix")):
            self.subject = []
            return False
        if (
            named
            and (self.phase == "before" or one.has("rise", "rest"))
            and not one.has("knead", "divide", "shape", "bake")
        ):
            if one.has("mix") and len(one.does) == 1 and len(named) < len(self._all_named(one)):
                self.subject = []
                return False
            self.subject = named
            return True
        if self.subject and not one.has(*_DROPS) and not dough:
            return True
        self.subject = []
        return False

    def _all_named(self, one: Clause) -> tuple[Any, ...]:
        return tuple(each for each in named_in(one.text) if each[1].role in ("flour", "salt"))

    def _ripen(self, one: Clause, night: bool = False) -> None:
        """How long, and how warm, what ferments first stands; over night, if nothing else is said."""
        overnight = OVERNIGHT_COLD_MIN if self._drinks() else OVERNIGHT_ROOM_MIN
        span = span_of(one, overnight)
        if span is None and night and all(self.subs[key]["until"] in ("ripe", None) for key in self.subject):
            span = overnight
        for key in self.subject:
            stage = self.subs[key]
            self._touch(stage)
            if span is not None:
                stage["until"] = {"minutes": written_span(span)}
                self._took("minutes", written_span(span))
            if one.has("cold"):
                stage["place"] = "fridge"
            elif one.warmths and span is not None and stage["kind"] in ("levain", "preferment"):
                self._stand(stage, one, span)

    def _drinks(self) -> bool:
        return all(self.subs[key]["kind"] in ("soak", "scald") for key in self.subject)

    def _wakes_yeast(self, one: Clause, sentence: str) -> bool:
        """Yeast that stands in warm water for some minutes before anything is mixed is woken."""
        if self.phase != "before":
            return False
        if re.search(r"\byeast\b", one.text, re.IGNORECASE) and one.says(
            r"dissolve|stir|sprinkle|proof|warm (?:water|milk)"
        ):
            stands = r"\b(?:stand|wait|leave|foam\w*|froth\w*|minutes|min|dissolve)\b"
            self.waking = not one.says(r"\bflour|\bsalt") and re.search(stands, sentence, re.IGNORECASE) is not None
            if self.waking:
                return True
        if (self.waking and one.has("rest", "rise")) or (self.waking and one.times):
            span = span_of(one, OVERNIGHT_ROOM_MIN)
            if span is None or span[1] <= WOKEN_MIN:
                self.told.yeast_woken = True
                self._took("yeast_woken", True)
                return True
        return False
