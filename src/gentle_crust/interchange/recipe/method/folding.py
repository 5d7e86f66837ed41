"""Folds: how many, how far apart, when the first."""

import re

from gentle_crust.interchange.recipe.clauses import Clause
from gentle_crust.interchange.recipe.method.beside import Beside
from gentle_crust.interchange.recipe.method.spans import (
    Written,
)
from gentle_crust.interchange.recipe.words import WORDS


class Folding(Beside):
    """Reads folds."""

    def _do_fold(self, one: Clause, following: Clause | None) -> bool:
        if self.phase == "before":
            self._mixed(Clause("", ()))
        if self.phase != "mixed":
            return False
        timed = bool(one.times or one.at_min or self._gap_words(one))
        waited = any(stage["kind"] == "bulk" for stage in self.stages)
        last = self.stages[-1]
        shaped_next = following is not None and following.has("shape", "preshape", "divide")
        if last.get("place") == "fridge" and not timed:
            self._add({"kind": "fold", "count": int(one.often or 1)})
            return True
        if not timed and waited and shaped_next and not last.get("folds") and not one.has("rise"):
            self._add({"kind": "fold", "count": int(one.often or 1)})
            self._took("folds", int(one.often or 1))
            return True
        self._fold_series(one)
        return True

    def _gap_words(self, one: Clause) -> bool:
        return one.says(r"\bevery\b|\beach\b|\bapart\b|intervals?")

    def _fold_series(self, one: Clause) -> None:
        """Sets of folds: how many, how far apart, when the first."""
        kind = next((kind for kind in ("coil", "letter") if one.says(kind)), None)
        kind = kind or ("bowl" if one.says(r"in the bowl|bowl fold") else "stretch")
        if self._one_more(one):
            return
        again = self.series is not None and one.says(r"\bagain\b")
        series: Written = (
            self.series if again and self.series else {"kind": kind, "count": 0, "first": None, "gap": None}
        )
        if one.at_min:
            ends = [later - earlier for earlier, later in zip(one.at_min, one.at_min[1:], strict=False)]
            series |= {
                "count": len(one.at_min),
                "first": one.at_min[0],
                "gap": (min(ends), max(ends)) if ends else None,
            }
        elif again:
            if one.times and series["first"] is not None:
                series |= {"count": series["count"] + 1, "gap": (one.times[-1].low - series["first"],) * 2}
        else:
            series["count"] = int(one.often or self._fold_count(one))
            fold_at = min((m.start() for m in WORDS["fold"].finditer(one.text)), default=0)
            for time in one.times:
                before = one.text[max(time.start - 14, 0) : time.start].lower()
                after = one.text[time.end : time.end + 14].lower()
                if re.search(r"every|each|of\s*$", before) or re.search(r"apart|interval", after):
                    series["gap"] = (time.low, time.high)
                elif re.search(r"first\s*$|next\s*$", before):
                    self.series_min = time.middle
                elif re.search(r"after\s*$|at\s*$", before) or (not one.has("rise", "rest") and fold_at > time.start):
                    series["first"] = time.low
        if self.series_min and series["count"] and not series["gap"]:
            each = self.series_min / series["count"]
            series["gap"], series["first"] = (each, each), series["first"] or each
        self.series = series
        self._took("folds", series["count"] or None)
        bulk = self.stages[-1] if self.stages and self.stages[-1]["kind"] == "bulk" else None
        if bulk is not None and bulk.get("place") != "fridge":
            bulk["folds"] = [series]
            self._touch(bulk)

    def _one_more(self, one: Clause) -> bool:
        """Whether a clause only says "fold", once more; then the series has one set more."""
        bare = not (one.times or one.at_min or one.counts or one.often)
        if self.series is None or not bare or self._series_used() or one.has("rise", "rest"):
            return False
        self.series["count"] += 1
        self._took("folds", self.series["count"])
        return True

    def _fold_count(self, one: Clause) -> float:
        count = re.search(
            r"\b(\d{1,2})\s+(?:sets?\b|(?:(?!min|hour|h\b)\w+[- ]?)?folds?\b|stretch)", one.text, re.IGNORECASE
        )
        if count:
            return float(count[1])
        every = re.search(r"fold(?:ing|s)?\b[^.]*\bevery\b", one.text, re.IGNORECASE)
        return 0 if every and not one.counts else 1

    def window(self) -> float:
        """Minutes that the folds told before take by themselves."""
        if self.series_min:
            return self.series_min
        series = self.series or {}
        return float(series.get("count") or 0) * float((series.get("gap") or (0.0, 0.0))[0])

    def _series_used(self) -> bool:
        return any(self.series in (stage.get("folds") or []) for stage in self.stages)
