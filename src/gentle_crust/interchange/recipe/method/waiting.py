"""Waiting: rests, bulk fermentation, proof, the cold, and warming up again."""

import re
from typing import Any

from gentle_crust.interchange.recipe.clauses import Clause
from gentle_crust.interchange.recipe.method.folding import Folding
from gentle_crust.interchange.recipe.method.spans import (
    OVERNIGHT_COLD_MIN,
    OVERNIGHT_ROOM_MIN,
    Span,
    Written,
    ends_of,
    minutes_understood,
    span_of,
    with_times,
    written_span,
)
from gentle_crust.interchange.recipe.method.state import COLD_C, mixer_in

SHORT_REST_MIN = 60.0
"""A rest of the mixed dough longer than this is its bulk fermentation (practice)."""


class Waiting(Folding):
    """Reads how long and where the dough waits."""

    def _stands_somewhere(self, one: Clause) -> bool:
        return bool(one.thing("in")) or one.says(r"counter|room|bowl|kitchen|overnight|warm place")

    def _bare_time(self, one: Clause, sentence: str) -> None:
        """A time with nothing done in it: of what was done just before, or how long the dough then stands."""
        if one.says(r"\bagain\b") and self.series is not None:
            self._fold_series(one)
            return
        if one.says(r"\bapart\b|\bintervals?\b|\bevery\b") and self.series is not None:
            self.series["gap"] = (one.times[0].low, one.times[0].high)
            return
        last = self.stages[-1] if self.stages else None
        if (
            last
            and last["kind"] in ("knead", "mix")
            and (one.says(r"fast|slow|speed|until|about") or "minutes" not in last)
        ):
            if (
                last["kind"] == "mix"
                and "minutes" not in last
                and not one.says(r"fast|slow|speed")
                and one.times[0].low > 15
            ):
                self._wait(one, sentence)
                return
            span = span_of(one, OVERNIGHT_ROOM_MIN)
            before = ends_of(last.get("minutes"))
            if span is not None:
                last["minutes"] = written_span((before[0] + span[0], before[1] + span[1]))
                last["by"] = last.get("by") or mixer_in(one.text)
                self._took("minutes", last["minutes"])
            return
        if (
            last
            and last["kind"] in ("bulk", "proof", "rest")
            and isinstance(last.get("until"), dict)
            and "rise" in last["until"]
        ):
            self._took("minutes", written_span(span_of(one, OVERNIGHT_ROOM_MIN) or (0, 0)))
            last["said"] = written_span(span_of(one, OVERNIGHT_ROOM_MIN) or (0, 0))
            return
        if last and last.get("until") == "ready" and one.says("about|around|roughly"):
            last["said"] = written_span(span_of(one, OVERNIGHT_ROOM_MIN) or (0, 0))
            return
        self._wait(one, sentence)

    def _wait(self, one: Clause, sentence: str) -> None:
        one = minutes_understood(one)
        times = [time for time in one.times if not self._is_fold_time(one, time)]
        cold = one.has("cold") or any(warmth <= COLD_C for warmth in one.warmths)
        span = span_of(with_times(one, times), OVERNIGHT_COLD_MIN if cold else OVERNIGHT_ROOM_MIN)
        ready = one.says(r"until (?:it is |they are )?ready")
        told = span is not None or one.rise is not None or cold or ready
        if not told and not (one.has("rise") and self.phase in ("mixed", "shaped")):
            return
        if self.phase == "before":
            if self.flour_and_water and span is not None and one.rise is None:
                self._autolyse(span)
                return
            self._mixed(Clause("", ()))
        stage = self._stage_of_wait(one, span, cold, sentence)
        if stage is None:
            return
        self._until(stage, one, span, ready)
        self._stand(stage, one, span)

    def _is_fold_time(self, one: Clause, time: Any) -> bool:
        """Whether a time in a clause of waiting is that of a fold."""
        if not one.has("fold"):
            return False
        before = one.text[max(time.start - 14, 0) : time.start].lower()
        after = one.text[time.end : time.end + 14].lower()
        return bool(re.search(r"every|each|after\s*$|of\s*$", before) or re.search(r"apart|interval", after))

    def _stage_of_wait(self, one: Clause, span: Span | None, cold: bool, sentence: str) -> Written | None:
        """The stage in which the dough waits now: a rest, bulk, a rest on the bench, proof, or kept cold."""
        last = self.stages[-1] if self.stages else None
        if self.phase == "mixed":
            short = span is not None and span[1] <= SHORT_REST_MIN and one.rise is None and not cold
            bulks = any(stage["kind"] == "bulk" for stage in self.stages)
            resting = one.has("rest") and not one.has("rise") and not bulks and self.series is None
            bare = not one.does and not bulks and self.series is None and short and self._before_kneading(last)
            if short and (resting or bare) and not self._stands_somewhere(one):
                return self._add({"kind": "rest"})
            goes_on = last is not None and last["kind"] == "bulk" and not cold and last.get("place") != "fridge"
            if last is not None and goes_on and (one.rise is None or "rise" not in (last.get("until") or {})):
                self._touch(last)
                return last
            stage = self._add({"kind": "bulk"})
            if self.series is not None and not cold and not stage.get("folds") and not self._series_used():
                stage["folds"] = [self.series]
            return stage
        if self.phase in ("divided", "preshaped"):
            if last and last["kind"] == "bench_rest" and not cold:
                return last
            return self._add({"kind": "keep" if cold else "bench_rest"})
        if self.phase == "shaped":
            balls = last is not None and last.get("container") == "box"
            if cold and (balls or self.told.shape == "flat_round"):
                return self._add({"kind": "keep", "container": "box" if balls else None})
            if last and last["kind"] == "proof" and not cold and last.get("place") != "fridge" and "until" not in last:
                return last
            return self._add({"kind": "proof"})
        return None

    def _before_kneading(self, last: Written | None) -> bool:
        return last is not None and last["kind"] in ("mix", "knead")

    def _until(self, stage: Written, one: Clause, span: Span | None, ready: bool) -> None:
        """What ends a stage that waits; of a rise with its minutes the rise is what is meant."""
        if one.rise is not None:
            if isinstance(stage.get("until"), dict) and "minutes" in stage["until"]:
                stage["said"] = stage["until"]["minutes"]
            stage["until"] = {"rise": one.rise}
            self._took("rise", one.rise)
            if span is not None:
                stage["said"] = written_span(span)
        elif ready:
            stage["until"] = "ready"
            if span is not None:
                stage["said"] = written_span(span)
        elif span is not None:
            before = (
                ends_of((stage.get("until") or {}).get("minutes"))
                if isinstance(stage.get("until"), dict)
                else (0.0, 0.0)
            )
            total = one.says(r"\bin all\b|\bin total\b|altogether|total")
            if before[1] and total:
                before = (0.0, 0.0)
            if (
                not before[1]
                and stage.get("folds")
                and not total
                and not one.has("rise", "fold")
                and not self._stands_somewhere(one)
            ):
                window = self.window()
                before = (window, window)
            stage["until"] = {"minutes": written_span((before[0] + span[0], before[1] + span[1]))}
            self._took("minutes", stage["until"]["minutes"])
        self._touch(stage)

    def _warm_up(self, one: Clause) -> None:
        span = span_of(one, OVERNIGHT_ROOM_MIN)
        if span is None and not one.has("warm_up"):
            self._took("out_of_fridge", True)
            return
        stage: Written = {"kind": "warm_up"}
        if span is not None:
            stage["until"] = {"minutes": written_span(span)}
            self._took("minutes", written_span(span))
        self._add(stage)
