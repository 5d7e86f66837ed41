"""The method of a recipe: its sentences, clause by clause, become the stages of a course."""

import re
from dataclasses import dataclass, field, replace
from typing import Any

from gentle_crust.core.formula.model import Shape
from gentle_crust.interchange.recipe.clauses import Clause, clauses, readable
from gentle_crust.interchange.recipe.ingredients import named_in
from gentle_crust.interchange.recipe.words import MIXERS, SHAPES, STOP, WORDS

Written = dict[str, Any]
Span = tuple[float, float]
OVERNIGHT_ROOM_MIN, OVERNIGHT_COLD_MIN = (480.0, 720.0), (480.0, 840.0)
SHORT_REST_MIN = 60.0
"""A rest of the mixed dough longer than this is its bulk fermentation (practice)."""
WOKEN_MIN = 20.0
"""Yeast in warm water is woken for no longer than this."""
COLD_C = 10.0
_RIPENS = {"levain": "levain", "poolish": "preferment", "biga": "preferment", "sponge": "preferment", "soaker": "soak",
           "scald": "scald"}  # fmt: skip
_SUB_WORDS = {
    "levain": r"levain|leaven|\bsour(?:dough)?\b|starter", "poolish": r"poolish|pre-?ferment", "biga": r"biga",
    "sponge": r"sponge", "soaker": r"soaker|seeds|grains|soak(?:ed)?", "scald": r"scald(?:ed)?|porridge|oats|cornmeal|roux",
    "first": r"first (?:stage|build)", "second": r"second (?:stage|build)", "third": r"third (?:stage|build)",
}  # fmt: skip
_DOUGH_WORDS = r"\bflours?\b|\bsalt\b|\bdough\b|everything|\bbutter\b|ingredients|\brest of\b"
_DROPS = ("knead", "divide", "shape", "preshape", "bake", "fold")


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
    took: dict[str, Any] = field(default_factory=dict)
    unread: str = ""


class CourseReader:
    """Goes through a method and builds its course.

    ``subs``: the stages before the dough, by their id, each with its kind (levain, poolish, soaker …) and its row of
    the formula; ``units``: the recipe's own units of time, in minutes.
    """

    def __init__(self, subs: dict[str, tuple[str, int]], units: dict[str, float]) -> None:
        self.subs = {
            key: {
                "kind": _RIPENS[kind],
                "id": key,
                "which": row,
                "until": "ripe" if kind not in ("soaker", "scald") else None,
            }
            for key, (kind, row) in subs.items()
            if kind in _RIPENS
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

    def read(self, text: str, context: str, headed: bool, own: bool = False) -> None:
        """Take one sentence in; ``context``: the stage its heading names, if it stands with it in its line.

        ``own``: the whole sentence is of that stage.
        """
        self.now = Sentence(text)
        self.sentences.append(self.now)
        self.subject = [context] if headed and context in self.subs else []
        self.waking = False
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
        self.now.unread = _left_over(readable(text, self.units), found)

    # --- what a clause does -------------------------------------------------------------------------------------

    def _clause(self, one: Clause, following: Clause | None, sentence: str) -> None:
        self._facts(one)
        if one.says(r"dough temperature|desired dough") and one.warmths:
            self.told.dough_c = one.warmths[0]
            self._took("dough_c", one.warmths[0])
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

    # --- facts --------------------------------------------------------------------------------------------------

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
            weight = re.search(r"(?:at|of|x|each|to)\s+(?:about\s+)?(\d{2,4})\s*g\b", one.text, re.IGNORECASE)
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

    def _took(self, key: str, value: Any) -> None:
        self.now.took[key] = value

    def _add(self, stage: Written) -> Written:
        self.stages.append(stage)
        self._touch(stage)
        return stage

    def _touch(self, stage: Written) -> None:
        if self.now.stage is None or self.now.stage["kind"] == "mix":
            self.now.stage = stage

    # --- what ferments or drinks before the dough ----------------------------------------------------------------

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
        span = _sum(one, overnight)
        if span is None and night and all(self.subs[key]["until"] in ("ripe", None) for key in self.subject):
            span = overnight
        for key in self.subject:
            stage = self.subs[key]
            self._touch(stage)
            if span is not None:
                stage["until"] = {"minutes": _number(span)}
                self._took("minutes", _number(span))
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
        if re.search(r"\byeast\b", one.text, re.IGNORECASE) and one.says(r"dissolve|stir|sprinkle|warm (?:water|milk)"):
            if not re.search(r"\bflour|\bsalt", one.text, re.IGNORECASE) and re.search(
                r"\b(?:stand|wait|leave|foam\w*|froth\w*|minutes|min)\b", sentence, re.IGNORECASE
            ):
                self.waking = True
                return True
        if (self.waking and one.has("rest", "rise")) or (self.waking and one.times):
            span = _sum(one, OVERNIGHT_ROOM_MIN)
            if span is None or span[1] <= WOKEN_MIN:
                self.told.yeast_woken = True
                self._took("yeast_woken", True)
                return True
        return False

    # --- mixing and kneading ---------------------------------------------------------------------------------------

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
        stage: Written = {"kind": "mix", "by": _by(one.text)}
        self.phase = "mixed"
        self.flour_and_water = False
        if one.times:
            span = _sum(one, OVERNIGHT_ROOM_MIN)
            stage["minutes"] = _number(span)
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
                last["minutes"], last["by"] = _number(_sum(one, OVERNIGHT_ROOM_MIN)), last["by"] or _by(one.text)
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
        span = _sum(one, OVERNIGHT_ROOM_MIN)
        if last["kind"] == "knead":
            self._touch(last)
            last["by"] = last.get("by") or _by(one.text)
            if span is not None:
                before = _ends(last.get("minutes"))
                last["minutes"] = _number((before[0] + span[0], before[1] + span[1]))
            return
        stage: Written = {"kind": "knead", "by": _by(one.text)}
        if span is not None:
            stage["minutes"] = _number(span)
            self._took("minutes", stage["minutes"])
        self._add(stage)

    def _do_autolyse(self, one: Clause, following: Clause | None) -> bool:
        if self.phase == "before":
            self._autolyse(_sum(one, OVERNIGHT_ROOM_MIN) or (30.0, 30.0))
        return True

    def _autolyse(self, span: Span) -> None:
        self._add({"kind": "autolyse", "until": {"minutes": _number(span)}})
        self._took("minutes", _number(span))
        self.flour_and_water = False

    # --- folds -------------------------------------------------------------------------------------------------------

    def _do_fold(self, one: Clause, following: Clause | None) -> bool:
        if self.phase == "before":
            self._mixed(Clause("", ()))
        if self.phase != "mixed":
            return False
        timed = bool(one.times or one.at_min or self._gap_words(one))
        waited = any(stage["kind"] == "bulk" for stage in self.stages)
        last = self.stages[-1]
        shaped_next = following is not None and following.has("shape", "preshape", "divide")
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

    def _fold_count(self, one: Clause) -> float:
        count = re.search(
            r"\b(\d{1,2})\s+(?:sets?\b|(?:(?!min|hour|h\b)\w+[- ]?)?folds?\b|stretch)", one.text, re.IGNORECASE
        )
        if count:
            return float(count[1])
        every = re.search(r"fold(?:ing|s)?\b[^.]*\bevery\b", one.text, re.IGNORECASE)
        return 0 if every and not one.counts else 1

    # --- waiting -----------------------------------------------------------------------------------------------------

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
            span = _sum(one, OVERNIGHT_ROOM_MIN)
            before = _ends(last.get("minutes"))
            if span is not None:
                last["minutes"] = _number((before[0] + span[0], before[1] + span[1]))
                last["by"] = last.get("by") or _by(one.text)
                self._took("minutes", last["minutes"])
            return
        if (
            last
            and last["kind"] in ("bulk", "proof", "rest")
            and isinstance(last.get("until"), dict)
            and "rise" in last["until"]
        ):
            self._took("minutes", _number(_sum(one, OVERNIGHT_ROOM_MIN) or (0, 0)))
            last["said"] = _number(_sum(one, OVERNIGHT_ROOM_MIN) or (0, 0))
            return
        if last and last.get("until") == "ready" and one.says("about|around|roughly"):
            last["said"] = _number(_sum(one, OVERNIGHT_ROOM_MIN) or (0, 0))
            return
        self._wait(one, sentence)

    def _wait(self, one: Clause, sentence: str) -> None:
        one = _minutes_understood(one)
        times = [time for time in one.times if not self._is_fold_time(one, time)]
        cold = one.has("cold") or any(warmth <= COLD_C for warmth in one.warmths)
        span = _sum(_with(one, times), OVERNIGHT_COLD_MIN if cold else OVERNIGHT_ROOM_MIN)
        ready = one.says(r"until (?:it is |they are )?ready")
        if span is None and one.rise is None and not cold and not ready:
            if not one.has("rise") or self.phase not in ("mixed", "shaped"):
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
            if last and last["kind"] == "bulk" and not cold and last.get("place") != "fridge":
                if one.rise is None or not isinstance(last.get("until"), dict):
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

    def _series_used(self) -> bool:
        return any(self.series in (stage.get("folds") or []) for stage in self.stages)

    def _until(self, stage: Written, one: Clause, span: Span | None, ready: bool) -> None:
        """What ends a stage that waits; of a rise with its minutes the rise is what is meant."""
        if one.rise is not None:
            stage["until"] = {"rise": one.rise}
            self._took("rise", one.rise)
            if span is not None:
                stage["said"] = _number(span)
        elif ready:
            stage["until"] = "ready"
            if span is not None:
                stage["said"] = _number(span)
        elif span is not None:
            before = (
                _ends((stage.get("until") or {}).get("minutes")) if isinstance(stage.get("until"), dict) else (0.0, 0.0)
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
                window = self._window()
                before = (window, window)
            stage["until"] = {"minutes": _number((before[0] + span[0], before[1] + span[1]))}
            self._took("minutes", stage["until"]["minutes"])
        self._touch(stage)

    def _window(self) -> float:
        """Minutes that the folds told before take by themselves."""
        if self.series_min:
            return self.series_min
        series = self.series or {}
        return float(series.get("count") or 0) * float((series.get("gap") or (0.0, 0.0))[0])

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

    def _warm_up(self, one: Clause) -> None:
        span = _sum(one, OVERNIGHT_ROOM_MIN)
        stage: Written = {"kind": "warm_up"}
        if span is not None:
            stage["until"] = {"minutes": _number(span)}
            self._took("minutes", _number(span))
        self._add(stage)

    # --- dividing and shaping --------------------------------------------------------------------------------------

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

    # --- the oven ----------------------------------------------------------------------------------------------------

    def _heats(self, one: Clause) -> bool:
        """Whether a clause speaks of the oven."""
        if one.has("bake") and not one.says(r"before baking"):
            return True
        if one.heats or one.says(r"cold oven"):
            return True
        if self.bake is not None and one.times and one.has("lid_on", "lid_off"):
            return True
        if self.phase == "baking" and not any(warmth >= 60 for warmth in one.warmths):
            return (
                bool(one.times)
                or bool(one.counts)
                or one.has("lid_on", "lid_off", "turn_down", "steam", "mist", "turn")
            )
        if one.warmths and max(one.warmths) >= 60 and one.says(r"\bcore\b|inside|internal|middle|done"):
            return True
        return one.has("heat") and one.says(r"oven|\bpot\b|stone|steel|iron")

    def _oven(self) -> Written:
        if self.bake is None:
            self.bake = {"kind": "bake", "heats": []}
        return self.bake

    def _bake(self, one: Clause) -> None:
        bake = self._oven()
        vessel = one.thing("on")
        if vessel and "vessel" not in bake:
            bake["vessel"] = vessel
            self._took("vessel", vessel)
        if one.says(r"cold oven"):
            bake["heated"] = "none"
            self._took("heated", "none")
        if one.has("steam") and not one.says(r"without steam|no steam|steam out"):
            bake["steam"] = "water_pan"
            self._took("steam", "water_pan")
        elif one.has("mist"):
            bake["steam"] = "mist_walls"
        inside = [warmth for warmth in one.warmths if warmth >= 60]
        if inside:
            bake["done"] = {"core_c": round(inside[0], 1)}
            self._took("core_c", round(inside[0], 1))
        if one.has("heat") and not one.has("bake") and not (one.times and self.phase == "baking"):
            self._preheat(one, bake)
            return
        if one.has("bake") or one.times or (one.heats and self.phase != "baking"):
            if self.phase != "baking" and (one.has("bake") or one.times or one.heats):
                self.phase = "baking"
                self._add(bake)
        self._touch(bake)
        self._heat_stages(one, bake)

    def _preheat(self, one: Clause, bake: Written) -> None:
        if one.heats:
            self.heat_c = one.heats[0]
            self._took("setpoint_c", round(self.heat_c))
        if one.times:
            bake["preheat_min"] = one.times[0].middle
            self._took("preheat_min", one.times[0].middle)
        self._touch(bake)

    def _heat_stages(self, one: Clause, bake: Written) -> None:
        """Minutes and set points, covered or not."""
        heats: list[Written] = bake["heats"]
        off = one.has("lid_off")
        on = one.has("lid_on") and not off
        times = [] if one.has("steam") and one.says(r"\bfirst\b") and not one.has("bake") else list(one.times)
        changes = off and one.says(r"after\s+\d") and heats and not one.has("bake")
        if changes and times and heats[-1]["minutes"] > times[0].middle:
            whole = heats[-1]
            rest = {**whole, "minutes": whole["minutes"] - times[0].middle, "covered": False}
            whole |= {"minutes": times[0].middle, "covered": True}
            heats.append(rest)
            return
        if off:
            self.covered = False
        elif on:
            self.covered = True
        if (on or off) and heats and not times and not one.heats and not one.counts:
            if one.text.strip().lower().startswith(("lid", "covered", "with", "uncovered", "open")):
                heats[-1]["covered"] = on
                return
        minutes = [time.middle for time in times]
        if not minutes and (off or on) and one.counts and one.counts[0].low < 120:
            minutes = [one.counts[0].middle]
        if one.heats:
            self.heat_c = one.heats[0]
            for each in heats:
                if each["setpoint_c"] is None:
                    each["setpoint_c"] = self.heat_c
        for index, each in enumerate(minutes):
            heat = one.heats[index] if index < len(one.heats) else self.heat_c
            stage: Written = {"minutes": each, "setpoint_c": heat, "covered": self.covered}
            if one.says(r"\bfan\b(?!\s*\d)") and not one.says(r"\(fan"):
                stage["fan"] = True
            if one.says(r"ajar|door (?:slightly )?open"):
                stage["door"], stage["covered"] = "ajar", False
            heats.append(stage)
            self._took("bake_min", [round(s["minutes"], 1) for s in heats])
        if one.heats:
            self._took("setpoint_c", round(one.heats[0]))
        if one.has("turn") and heats:
            heats[-1]["turn"] = True

    def _cools(self, one: Clause) -> bool:
        return one.has("cool") or (one.has("rest") and not one.heats and not one.has("bake"))

    def _cool(self, one: Clause) -> None:
        span = _sum(one, OVERNIGHT_ROOM_MIN)
        last = self.stages[-1]
        stage = last if last["kind"] == "cool" else self._add({"kind": "cool"})
        if span is not None:
            stage["until"] = {"minutes": _number(span)}
            self._took("minutes", _number(span))

    # --- the whole ---------------------------------------------------------------------------------------------------

    def method(self) -> Written | None:
        """The course as it is written down; None if no sentence told of one."""
        if not self.stages:
            return None
        stages = _settled(self.stages, self)
        order = [each for each in self.subs.values()]
        for each in order:
            if each["until"] is None:
                each["until"] = {"minutes": [480, 840]} if each["kind"] == "soak" else {"minutes": 60}
        return {"stages": [_clean(stage) for stage in (*order, *stages)]}


def _settled(stages: list[Written], reader: CourseReader) -> list[Written]:
    """Stages as a course has them: mixed first, folds counted, a last rest before the oven the proof."""
    kinds = [stage["kind"] for stage in stages]
    if "mix" not in kinds:
        place = next((i for i, kind in enumerate(kinds) if kind != "autolyse"), len(kinds))
        stages = [*stages[:place], {"kind": "mix", "by": None}, *stages[place:]]
    if reader.series is not None and not any(stage.get("folds") for stage in stages):
        _give_folds(stages, reader)
    for place, stage in enumerate(stages):
        later = [each["kind"] for each in stages[place + 1 :]]
        if stage["kind"] == "preshape" and "shape" not in later:
            stage["kind"] = "shape"
        if stage["kind"] == "bench_rest" and "shape" not in later:
            stage["kind"] = "proof"
        if stage["kind"] == "bulk" and "until" not in stage:
            stage["until"] = "ready"
        if stage["kind"] == "proof" and "until" not in stage:
            stage["until"] = "ready"
        if stage["kind"] in ("warm_up", "bench_rest", "keep") and "until" not in stage:
            stage["until"] = (
                {"minutes": 60 if stage["kind"] == "warm_up" else 20} if stage["kind"] != "keep" else {"hours": [8, 14]}
            )
        for series in stage.get("folds") or []:
            _timed(series, stage)
    _bake_whole(stages, reader)
    return stages


def _give_folds(stages: list[Written], reader: CourseReader) -> None:
    """Folds of which no bulk was told: they are the bulk."""
    place = next((i for i, s in enumerate(stages) if s["kind"] in ("divide", "preshape", "shape", "bake")), len(stages))
    window = reader._window()
    stages.insert(place, {"kind": "bulk", "until": {"minutes": _number((window, window))} if window else "ready",
                          "folds": [reader.series]})  # fmt: skip


def _timed(series: Written, stage: Written) -> None:
    """A series with its first minute, its gap and its count, as far as the stage's length tells them."""
    until = stage.get("until")
    length = _ends(until.get("minutes") if isinstance(until, dict) else None)[0] or _ends(stage.get("said"))[0]
    gap = series.get("gap")
    if not series["count"]:
        series["count"] = max(int(length / gap[0]) - 1, 1) if gap and length else 3
    count = series["count"]
    if gap is None:
        even = length / (count + 1) if length else 30.0
        first = series.get("first")
        gap = (first, first) if first and count > 1 else (even, even)
        series["first"] = first or even
    series |= {"first": series.get("first") or gap[0], "gap": gap}


def _bake_whole(stages: list[Written], reader: CourseReader) -> None:
    """The bake with what its container says of its vessel; last of all that is no cooling."""
    bake = reader.bake
    if bake is None:
        return
    if bake not in stages:
        place = next((i for i, s in enumerate(stages) if s["kind"] == "cool"), len(stages))
        stages.insert(place, bake)
    container = next((s.get("container") for s in stages if s.get("container") in ("tin", "tray")), None)
    if "vessel" not in bake and container:
        bake["vessel"] = container
    for each in bake["heats"]:
        if each["setpoint_c"] is None:
            each["setpoint_c"] = reader.heat_c


def _clean(stage: Written) -> Written:
    """A stage as a method is written: nothing that is not its own, figures as numbers."""
    clean = {key: value for key, value in stage.items() if value is not None and key not in ("said", "heats", "folds")}
    if stage.get("folds"):
        clean["folds"] = [
            {"kind": s["kind"], "count": min(int(s["count"]), 12), "first_min": round(s["first"], 1),
             "gap_min": _number(s["gap"])} for s in stage["folds"]
        ]  # fmt: skip
    if "path" in clean:
        clean.pop("place", None)
    if stage["kind"] == "bake":
        if not stage.get("vessel"):
            clean.pop("vessel", None)
        heats = [heat for heat in stage["heats"] if heat["setpoint_c"] is not None and heat["minutes"] >= 1]
        if heats:
            clean["stages"] = [{**heat, "setpoint_c": round(heat["setpoint_c"])} for heat in heats]
    return clean


def shape_in(text: str) -> Shape | None:
    """The shape that a few words name."""
    found = [
        (match.start(), key)
        for key, pattern in SHAPES
        if (match := re.search(pattern, text, re.IGNORECASE)) is not None
    ]
    key = next((key for key, _ in SHAPES if any(key == other for _, other in found)), None)
    return key  # type: ignore[return-value]  # one of the shapes


def _by(text: str) -> str | None:
    return next((key for key, pattern in MIXERS if re.search(pattern, text, re.IGNORECASE)), None)


def _with(one: Clause, times: list[Any]) -> Clause:
    return replace(one, times=tuple(times))


def _minutes_understood(one: Clause) -> Clause:
    """A clause of waiting with a bare number: "rest 20" is twenty minutes."""
    bare = [
        count
        for count in one.counts
        if 5 <= count.low <= 180 and re.search(r"(?:rest|proof|prove|rise|bulk)(?: for)?\s*$", one.text[: count.start])
    ]
    if one.times or not bare:
        return one
    return _with(one, [replace(bare[0], kind="time", unit="minute")])


def _sum(one: Clause, overnight: Span) -> Span | None:
    """The time a clause says, least and most in minutes; None if none."""
    if one.says(r"\bover-?night\b|all night|through the night") and not one.times:
        return overnight
    if not one.times:
        return None
    return sum(time.low for time in one.times), sum(time.high for time in one.times)


def _ends(value: Any) -> Span:
    if value is None:
        return 0.0, 0.0
    return (float(value), float(value)) if isinstance(value, (int, float)) else (float(value[0]), float(value[1]))


def _number(span: Span | None) -> Any:
    """A span as it is written: one number, or least and most."""
    if span is None:
        return None
    low, high = (round(end, 1) for end in span)
    low, high = (int(end) if end == int(end) else end for end in (low, high))
    return low if low == high else [low, high]


def _left_over(text: str, found: tuple[Clause, ...]) -> str:
    """Words of a sentence of which nothing was taken."""
    bare = text
    for pattern in WORDS.values():
        bare = pattern.sub(" ", bare)
    from gentle_crust.interchange.recipe.words import PATTERNS

    for pattern in PATTERNS.values():
        bare = pattern.sub(" ", bare)
    for word, _ in named_in(bare):
        bare = re.sub(rf"\b{re.escape(word)}\b", " ", bare, flags=re.IGNORECASE)
    words = [
        word for word in re.findall(r"[^\W\d_][\w'-]+", bare) if word.lower() not in STOP and word.lower() not in _KNOWN
    ]
    return " ".join(words)


_KNOWN = frozenset(
    [
        "minutes",
        "minute",
        "min",
        "mins",
        "hours",
        "hour",
        "hrs",
        "day",
        "days",
        "degrees",
        "celsius",
        "fahrenheit",
        "gas",
        "mark",
        "gram",
        "grams",
        "kg",
        "ml",
        "oven",
        "bowl",
        "dough",
        "loaf",
        "loaves",
        "piece",
        "pieces",
        "basket",
        "lid",
        "pot",
        "time",
        "times",
        "set",
        "sets",
        "every",
        "apart",
        "interval",
        "intervals",
        "everything",
        "ingredients",
        "flour",
        "water",
        "salt",
        "temperature",
        "room",
        "total",
        "core",
        "inside",
        "golden",
        "brown",
        "smooth",
        "size",
        "half",
        "third",
        "quarter",
        "doubled",
        "double",
        "soft",
        "sticky",
        "dry",
        "surface",
        "floured",
        "oiled",
        "greased",
        "lightly",
        "bench",
        "board",
        "hand",
        "hands",
        "wet",
        "towel",
        "covered",
        "cover",
        "cm",
        "inch",
        "morning",
        "evening",
        "night",
        "final",
        "first",
        "second",
        "rise",
    ]
)
