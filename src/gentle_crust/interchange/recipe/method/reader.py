"""Goes through the sentences of a method and builds its course."""

import re

from gentle_crust.core.course.method import WAITING
from gentle_crust.interchange.recipe.clauses import Clause, clauses, readable
from gentle_crust.interchange.recipe.method.baking import Baking
from gentle_crust.interchange.recipe.method.left_over import left_over
from gentle_crust.interchange.recipe.method.settled import clean, settled
from gentle_crust.interchange.recipe.method.spans import (
    OVERNIGHT_ROOM_MIN,
    Written,
    span_of,
    written_span,
)
from gentle_crust.interchange.recipe.method.state import Sentence


class CourseReader(Baking):
    """Takes a method sentence by sentence."""

    def read(self, text: str, context: str, headed: bool, own: bool = False) -> None:
        """Take one sentence in; ``context``: the stage its heading names, if it stands with it in its line.

        ``own``: the whole sentence is of that stage.
        """
        self.now = Sentence(text)
        self.sentences.append(self.now)
        self.waking = self.waking and not self.told.yeast_woken
        self.subject = [context] if headed and context in self.subs else []
        try:
            found = clauses(readable(text, self.units))
        except ValueError:
            self.now.unread = text
            return
        for index, clause in enumerate(found):
            following = found[index + 1] if index + 1 < len(found) else None
            if own and context in self.subs:
                self.subject = [context]
                self._ripen(
                    clause, re.search(r"\b(?:night before|evening|over-?night)\b", text, re.IGNORECASE) is not None
                )
                continue
            self._clause(clause, following, text)
        self.now.unread = left_over(readable(text, self.units))

    def _clause(self, one: Clause, following: Clause | None, sentence: str) -> None:
        self._facts(one)
        if one.says(r"dough temperature|desired dough") and one.warmths:
            self.told.dough_c = one.warmths[0]
            self._took("dough_c", one.warmths[0])
            return
        if self.phase != "baking" and one.says(r"before (?:cutting|slicing|eating|serving)"):
            self.kept = span_of(one, OVERNIGHT_ROOM_MIN)
            self._took("minutes", written_span(self.kept))
            return
        if self._about_preferment(one):
            self._ripen(one)
            return
        if self._wakes_yeast(one, sentence):
            return
        if self.phase == "baking" and self._cools(one):
            self._cool(one)
        elif one.has("out_of_fridge", "warm_up") and self.phase != "baking" and not one.heats:
            self._warm_up(one)
        elif self._heats(one):
            self._bake(one)
        else:
            self._work(one, following, sentence)

    def _work(self, one: Clause, following: Clause | None, sentence: str) -> None:
        """Work of hands in a clause, then its waiting; a time by itself belongs to what was done before it."""
        done = False
        for does in one.does:
            act = getattr(self, f"_do_{does}", None)
            if act is not None:
                done = bool(act(one, following)) or done
        waits = one.has("rise", "rest", "cold") or (self._stands_somewhere(one) and bool(one.times))
        if waits and not (one.has("fold") and not one.has("rise") and not one.says(r"\bleave\b|\bleft\b|\brest\b")):
            if not (one.has("fold") and one.has("rest") and done and not one.has("rise") and len(one.times) < 2):
                self._wait(one, sentence)
        elif one.times and not done:
            self._bare_time(one, sentence)
        elif one.rise is not None and not done:
            self._wait(one, sentence)
        if one.thing("in") and self.phase in ("shaped", "divided", "mixed", "preshaped") and not one.has("bake"):
            self._contain(one)

    def method(self) -> Written | None:
        """The course as it is written down; None if no sentence told of one."""
        if not self.stages:
            return None
        if self.kept is not None and not any(stage["kind"] == "cool" for stage in self.stages):
            self.stages.append({"kind": "cool", "until": {"minutes": written_span(self.kept)}})
        stages = settled(self.stages, self)
        order = list(self.subs.values())
        for each in order:
            if each["until"] is None:
                each["until"] = {"minutes": [480, 840]} if each["kind"] == "soak" else {"minutes": 60}
        return {"stages": [clean(stage) for stage in (*order, *stages)]}

    def put_right(self, kind: str) -> None:
        """Take what the sentence at hand became for a stage of another kind of waiting, as its baker says."""
        stage = self.now.stage
        if stage is not None and kind in WAITING and stage["kind"] in WAITING:
            stage["kind"] = kind
            self._took("fixed", kind)
