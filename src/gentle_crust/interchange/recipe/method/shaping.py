"""Knocking back, dividing, shaping, the containers, and what goes on the loaf."""

import re

from gentle_crust.interchange.recipe.clauses import Clause
from gentle_crust.interchange.recipe.method.state import shape_in
from gentle_crust.interchange.recipe.method.waiting import Waiting


class Shaping(Waiting):
    """Reads the work on the pieces."""

    def _facts(self, one: Clause) -> None:
        """Pieces, their weight and shape."""
        pieces = re.search(
            r"\b(\d{1,3})(?!\s*(?:g|kg|ml|l|cm|oz|lb|min|minutes|h|hours|C|F)\b)\s+(?:x\s+)?(?:\w+\s+){0,2}?(?:loaves|loaf|rolls|buns|baguettes|sticks|balls|rounds|pieces|slippers"
            r"|flatbreads|tins|bat[ao]rds|portions)\b", one.text, re.IGNORECASE,
        )  # fmt: skip
        if one.has("divide", "shape") or (pieces and one.has("mix", "preshape", "rest")):
            into = re.search(r"\b(?:in(?:to)?|between)\s+(\d{1,3})\b(?!\s*(?:min|h\b|hours|strands|x\d))", one.text)
            count = (
                pieces
                or into
                or re.search(r"\b(?:divide|cut|scale)\s+(\d{1,3})\s*(?:x|pieces|$)", one.text, re.IGNORECASE)
            )
            if count and "strand" not in one.text and int(count[1]) > 0:
                self.told.pieces = int(count[1])
                self._took("pieces", self.told.pieces)
            elif one.has("divide") and one.says(r"\bin(?:to)? (?:half|0\.5)|halve"):
                self.told.pieces = 2
            weight = re.search(
                r"(?:at|of|x|each|to|dividing|scaling)\s+(?:about\s+)?(\d{2,4})\s*g\b", one.text, re.IGNORECASE
            )
            if weight and one.has("divide"):
                self.told.piece_g = float(weight[1])
                self._took("piece_g", self.told.piece_g)
        if one.has("divide", "shape", "preshape", "open") and not self.told_shape_is_firm(one):
            shape = shape_in(one.text)
            if shape is not None:
                self.told.shape = shape
        if one.has("open", "topping") and self.phase != "before" and self.told.shape in (None, "boule"):
            self.told.shape = "flat_round"

    def told_shape_is_firm(self, one: Clause) -> bool:
        """Whether the shape is known better than this clause can tell: a ball on its way to a stick."""
        return self.told.shape is not None and shape_in(one.text) == "boule"

    def _do_knock_back(self, one: Clause, following: Clause | None) -> bool:
        if self.phase == "mixed":
            self._add({"kind": "knock_back"})
            self.series = None
        return True

    def _do_divide(self, one: Clause, following: Clause | None) -> bool:
        if self.phase == "before":
            self._mixed(Clause("", ()))
        if self.phase == "mixed" and not any(stage["kind"] == "divide" for stage in self.stages):
            self._add({"kind": "divide"})
            self.phase = "divided"
        return True

    def _do_preshape(self, one: Clause, following: Clause | None) -> bool:
        if one.has("divide", "shape", "knock_back") or (one.has("fold") and not one.says("round up|ball up")):
            return False
        if self.phase in ("mixed", "divided"):
            self._add({"kind": "preshape"})
            self.phase = "preshaped"
            return True
        return False

    def _do_shape(self, one: Clause, following: Clause | None) -> bool:
        if self.phase in ("baking", "baked", "before"):
            return False
        last = self.stages[-1] if self.stages else None
        if self.phase == "shaped" and last and last["kind"] in ("shape", "warm_up", "keep"):
            return True
        self._add({"kind": "shape"})
        self.phase = "shaped"
        return True

    def _do_open(self, one: Clause, following: Clause | None) -> bool:
        if self.phase in ("divided", "mixed") and not one.says(r"^open|by hand") and not self._stood():
            return self._do_shape(one, following)
        return False

    def _stood(self) -> bool:
        return bool(self.stages) and self.stages[-1]["kind"] in ("bench_rest", "warm_up", "keep")

    def _contain(self, one: Clause) -> None:
        """The container the pieces stand in; one that is named before they are shaped says that they are."""
        thing = one.thing("in")
        shapes = [stage for stage in self.stages if stage["kind"] in ("shape", "preshape")][-1:]
        if self.phase == "preshaped" and one.thing("in") == "tin" and not one.times:
            shapes = []
            self.phase = "divided"
        if self.phase == "mixed" and (
            thing not in ("tin",) or not one.says(r"\b(?:put|place|fill|scrape|turn|tip|into)\b")
        ):
            return
        if not shapes and self.phase in ("divided", "mixed"):
            if self.stages[-1]["kind"] == "bench_rest":
                return
            shapes = [self._add({"kind": "shape"})]
            self.phase = "shaped"
        if shapes and "container" not in shapes[-1]:
            shapes[-1]["container"] = thing
            self._took("container", thing)
            if thing == "tin" and self.told.shape is None:
                self.told.shape = "pan_loaf"

    def _finish(self, what: str) -> bool:
        shaped = self.phase in ("shaped", "baking", "divided", "preshaped") or (self.phase == "mixed" and self._stood())
        if not shaped or (self.stages and self.stages[-1] == {"kind": "finish", "with": what}):
            return False
        self._add({"kind": "finish", "with": what})
        return True

    def _do_glaze(self, one: Clause, following: Clause | None) -> bool:
        return self._finish("glaze")

    def _do_seeds(self, one: Clause, following: Clause | None) -> bool:
        return self._finish("oats" if one.says(r"\boats\b") else "seeds")

    def _do_flour(self, one: Clause, following: Clause | None) -> bool:
        return one.says(r"\bdust") and self.phase == "shaped" and self._finish("flour")

    def _do_topping(self, one: Clause, following: Clause | None) -> bool:
        if one.has("glaze", "seeds", "flour", "score") or one.says(r"\bthe tops?\b"):
            return False
        return self._finish("topping")

    def _do_score(self, one: Clause, following: Clause | None) -> bool:
        if self.phase in ("shaped", "divided", "preshaped"):
            self._add({"kind": "score"})
        return True
