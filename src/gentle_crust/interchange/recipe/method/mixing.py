"""Mixing, kneading, and the rest of flour and water."""

from gentle_crust.interchange.recipe.clauses import Clause
from gentle_crust.interchange.recipe.ingredients import named_in
from gentle_crust.interchange.recipe.method.spans import (
    OVERNIGHT_ROOM_MIN,
    Span,
    Written,
    ends_of,
    span_of,
    written_span,
)
from gentle_crust.interchange.recipe.method.state import State, mixer_in


class Mixing(State):
    """Reads mixing and kneading."""

    def _do_mix(self, one: Clause, following: Clause | None) -> bool:
        if self.phase != "before":
            return self._mix_more(one)
        plain = {item.role for _, item in named_in(one.text)}
        only = "flour" in plain and "water" in plain and not plain & {"levain", "yeast", "salt"}
        into = one.says(r"\badd|remaining|rest of") and any(
            each["kind"] in ("levain", "preferment") for each in self.subs.values()
        )
        if (
            only
            and not into
            and not one.says(r"everything|\ball (?:the )?ingredients|poolish|biga|sponge|levain|dough")
            and not one.times
        ):
            self.flour_and_water = True
            return True
        if (
            self.flour_and_water
            and plain <= {"flour", "water"}
            and not one.times
            and not one.says(r"levain|everything|salt")
        ):
            return True
        if plain and plain <= {"yeast", "extra"} and not one.times and one.says(r"\b(?:stir|dissolve)"):
            return True
        self._mixed(one)
        return True

    def _mixed(self, one: Clause) -> Written:
        stage: Written = {"kind": "mix", "by": mixer_in(one.text)}
        self.phase = "mixed"
        self.flour_and_water = self.waking = False
        if one.times:
            span = span_of(one, OVERNIGHT_ROOM_MIN)
            stage["minutes"] = written_span(span)
            self._took("minutes", stage["minutes"])
        return self._add(stage)

    def _mix_more(self, one: Clause) -> bool:
        """Mixing of what is mixed already: minutes of it are kneading; what is named is worked in late."""
        if self.phase != "mixed" or one.says(r"\bnothing\b"):
            return True
        late = [item.kind if item.role == "extra" else item.role for _, item in named_in(one.text)]
        mixes = [stage for stage in self.stages if stage["kind"] == "mix"]
        if mixes and late and one.says(r"\badd|work in|mix in|knead in|incorporate"):
            known = mixes[-1].setdefault("late", [])
            known += [each for each in late if each not in known and each in ("salt", "water", "butter", "oil")]
            self._touch(mixes[-1])
        if one.times and one.has("mix"):
            last = self.stages[-1]
            if last["kind"] == "mix" and "minutes" not in last:
                last["minutes"], last["by"] = (
                    written_span(span_of(one, OVERNIGHT_ROOM_MIN)),
                    last["by"] or mixer_in(one.text),
                )
                self._touch(last)
            else:
                self._knead(one)
        return True

    def _do_knead(self, one: Clause, following: Clause | None) -> bool:
        self._knead(one)
        return True

    def _knead(self, one: Clause) -> None:
        if self.phase == "before":
            self._add({"kind": "mix", "by": None})
            self.phase, self.flour_and_water = "mixed", False
        if self.phase != "mixed":
            return
        last = self.stages[-1]
        span = span_of(one, OVERNIGHT_ROOM_MIN)
        if last["kind"] == "knead":
            self._touch(last)
            last["by"] = last.get("by") or mixer_in(one.text)
            if span is not None:
                before = ends_of(last.get("minutes"))
                last["minutes"] = written_span((before[0] + span[0], before[1] + span[1]))
            return
        stage: Written = {"kind": "knead", "by": mixer_in(one.text)}
        if span is not None:
            stage["minutes"] = written_span(span)
            self._took("minutes", stage["minutes"])
        self._add(stage)

    def _do_autolyse(self, one: Clause, following: Clause | None) -> bool:
        span = span_of(one, OVERNIGHT_ROOM_MIN) or (30.0, 30.0)
        if self.phase == "before":
            self._autolyse(span)
        elif self.phase == "mixed":
            self._add({"kind": "rest", "until": {"minutes": written_span(span)}})
        return True

    def _autolyse(self, span: Span) -> None:
        self._add({"kind": "autolyse", "until": {"minutes": written_span(span)}})
        self._took("minutes", written_span(span))
        self.flour_and_water = False

    def _do_prepare(self, one: Clause, following: Clause | None) -> bool:
        """What is done to an ingredient before it goes in makes no stage."""
        self._took("prepared", True)
        return False
