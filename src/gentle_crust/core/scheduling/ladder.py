"""The steps of a plan by the clock, and the words for them."""

from math import ceil, floor

from gentle_crust.core.cautions import at_step, caution
from gentle_crust.core.clock import Clock
from gentle_crust.core.course.waters import build_water_c
from gentle_crust.core.fermentation.uncertainty import Span
from gentle_crust.core.formula.scaling import Ingredient
from gentle_crust.core.leaven.ripening import HANDS_MIN, Ripening
from gentle_crust.core.oven.profile import RECOVERY_MIN, RYE_COOL_MIN, BakeProfile
from gentle_crust.core.oven.steps import scored
from gentle_crust.core.scheduling.by_shape import divide_title, loading_words, shape_title, shaping_words
from gentle_crust.core.scheduling.course import Recipe
from gentle_crust.core.scheduling.result import FoldPlan, Step, dated
from gentle_crust.core.scheduling.say import CUT_EARLY, c, duration, g, lower, steamed, together
from gentle_crust.core.scheduling.weigh_list import by_feel
from gentle_crust.core.scheduling.whole import Course
from gentle_crust.core.scheduling.wish import Kitchen
from gentle_crust.core.water.plan import NEAR_K, WaterAnswer

NO_FOLDS = "No folds: it will hold less gas and spread; a longer mix makes up for part of it."
TOO_SHORT_TO_FOLD = "Bulk is over before a fold would come: knead 8 to 10 min when mixing instead."
LEAST_GAP, MOST_GAP = 10, 60
"""Between folds, min: all of it is forgiving (practice)."""
MOMENT_H = 1 / 12
FIRST = "first"
"""The caution that stands over all others of the oven, said once."""
OF_ONE_MINUTE = {"preheat": 0, "vent": 0, "out": 2}
"""Of what falls into one minute: the oven is lit before anything goes in, the door opened before it comes out."""
SAID_ONCE = ("jar", "mould")
"""Cautions that a second feed on the same plan need not repeat."""


class _Ladder:
    """Collects steps, each with the cautions of its kind."""

    def __init__(self, course: Course, kitchen: Kitchen, clock: Clock) -> None:
        self.course, self.clock, self.scale_g = course, clock, kitchen.scale_g
        self.vessel = course.recipe.wish.vessel.kind
        self.oven = kitchen.oven.kind
        soaked = [extra for soaker in course.recipe.wish.formula.soakers for extra in soaker.extras]
        self.dairy = any(extra.kind in ("milk", "butter") for extra in soaked)
        self.scored = scored(course.recipe.wish.formula.shape, course.recipe.wish.formula.rye_rich)
        self.found: list[Step] = []
        self.said: set[str] = set()

    def add(
        self, kind: str, at: float, minutes: int, title: str, detail: str, span: Span | None = None, what: str = ""
    ) -> None:
        found = at_step(kind, self.vessel, self.oven, self.course.recipe.bake.lidded, self.dairy, self.scored, what)
        cautions = tuple(each for each in found if each.code not in self.said)
        self.said |= {each.code for each in cautions if each.code in SAID_ONCE}
        if kind in ("preheat", "load") and FIRST not in self.said:
            self.said.add(FIRST)
            cautions = (*cautions, caution(FIRST))
        spanned = None if span is None else dated(span, self.clock)
        self.found.append(Step(kind, self.clock.at(at), minutes, title, detail, spanned, cautions, what))


def steps(course: Course, kitchen: Kitchen, clock: Clock, water: WaterAnswer) -> tuple[Step, ...]:
    """All steps of a course in order of time."""
    ladder = _Ladder(course, kitchen, clock)
    for ripening in course.ripenings:
        _ripening_step(ladder, ripening, clock)
    _soaking_steps(ladder)
    _mixing_steps(ladder, water)
    _shaping_steps(ladder)
    _baking_steps(ladder)
    return tuple(sorted(ladder.found, key=lambda step: (step.at, OF_ONE_MINUTE.get(step.kind, 1))))


def _ripening_step(ladder: _Ladder, ripening: Ripening, clock: Clock) -> None:
    preferment, build = ripening.preferment, ripening.build
    water = f"{g(build.water_g)} water at {c(build_water_c(ripening, clock))}"
    if ripening.kind in ("feed", "levain"):
        amounts = f"{g(build.seed_g)} {ripening.culture or 'culture'}, {g(build.flour_g)} flour, {water}."
        if ripening.kind == "levain" and ripening.kept_g:
            amounts += f" {g(ripening.kept_g)} of it goes back into the jar."
        feed = f"Feed {ripening.culture}" if ripening.culture else "Feed the culture"
        title = feed if ripening.kind == "feed" else "Build the levain"
        ladder.add(ripening.kind, ripening.start, HANDS_MIN, title, amounts, ripening.ripe)
        return
    yeast = build.flour_g * preferment.yeast_percent / 100
    dilution = _dilution(yeast, build.water_g, ladder.scale_g)
    detail = f"{g(build.flour_g)} flour, {water}, {g(yeast)} instant yeast.{dilution}"
    ladder.add("preferment", ripening.start, HANDS_MIN, f"Mix the {ripening.kind}", detail, ripening.ripe)


def _dilution(yeast_g: float, water_g: float, scale_g: float) -> str:
    """How to weigh what the scale cannot: whole steps of it stirred into some of the water, and part of that used.

    A hundred of water to one of yeast, or as much as the preferment has; of the mixture, never more than there is.
    """
    if yeast_g >= 2 * scale_g:
        return ""
    step = max(1.0, scale_g)
    weighed = step * ceil(yeast_g / step)
    water = min(100 * weighed, floor(water_g / 10) * 10)
    if water < 10 * weighed:
        return ""
    part = g(water * yeast_g / weighed)
    return f" Too little for the scale: stir {g(weighed)} yeast into {g(water)} of the water, use {part} of it."


def _soaking_steps(ladder: _Ladder) -> None:
    course = ladder.course
    for stage in course.recipe.weighed.stages:
        inside = together([f"{g(line.g)} {line.name.lower()}" for line in stage.lines])
        if stage.kind == "soaker":
            ladder.add(
                "soak", course.soaked, 3, f"Soak {lower(stage.title)}", f"{inside}. Cover; four hours or a night."
            )
        elif stage.kind == "scald":
            text = f"{inside}. Stir, cover, and let it cool to the room before it meets the leaven."
            ladder.add("scald", course.soaked, 5, f"Scald {lower(stage.title)}", text)
        elif stage.kind == "old_dough":
            text = (
                f"{g(stage.g)}, at most three days old, out of the fridge. If none was kept, mix it the day before:"
                f" {inside}."
            )
            ladder.add("old_dough", course.old_dough_out, 1, "Old dough into the room", text)


def _mixing_steps(ladder: _Ladder, water: WaterAnswer) -> None:
    course = ladder.course
    made = course.recipe
    sources = _sources(water)
    lines = made.weighed.dough.lines
    flour = sum(line.g for line in lines if line.role == "flour")
    later = [_into_the_bowl(line) for line in lines if line.role not in ("flour", "water") and not line.late]
    last = [f"{g(line.g)} {line.name.lower()}" for line in lines if line.late]
    range_ = by_feel(made.wish.formula, made.weighed.flour_g)
    if range_:
        last.append(f"up to {g(range_.more_g)} more water, by feel")
    late = f" Work in {together(last)}." if last else ""
    if course.autolyse is not None:
        detail = f"{g(flour)} flour and the water at {c(water.drawn_c)}: {sources}. Cover."
        ladder.add("autolyse", course.autolyse, 5, "Flour and water rest", detail)
        begin = f"Add {together(later)}." if later else "Stir again."
    else:
        begin = f"Everything together, water at {c(water.drawn_c)}: {sources}."
    knead = " Knead 10 to 15 min, until a membrane stretches." if made.feel.knead else ""
    knead += "" if course.folds else late.replace(" Work", " Last, work")
    ladder.add(
        "mix", course.times.mix, made.mix_min, "Mix", f"{begin}{knead} The dough leaves the bowl at {c(water.dough_c)}."
    )
    for number, fold in enumerate(course.folds, 1):
        how = (
            "Wet hands, lift the middle and let the ends tuck under."
            if made.feel.boxed and number > 2
            else "Wet hands, once round the bowl."
        )
        how += late if number == 1 else ""
        ladder.add("fold", fold, 3, f"Fold {number} of {len(course.folds)}", how)


def _into_the_bowl(line: Ingredient) -> str:
    if line.kind in ("old_dough", "soaker", "scald"):
        return f"the {line.name.lower()}"
    return f"the ripe {line.kind}" if line.role in ("levain", "preferment") else line.name.lower()


def _sources(water: WaterAnswer) -> str:
    parts = [f"{g(water.tap_g)} tap"]
    if water.hot_tap_g >= 0.5:
        parts.append(f"{g(water.hot_tap_g)} hot tap")
    if water.kettle_g >= 0.5:
        parts.append(f"{g(water.kettle_g)} kettle")
    if water.ice_g >= 0.5:
        parts.append(f"{g(water.ice_g)} ice")
    return ", ".join(parts)


def _shaping_steps(ladder: _Ladder) -> None:
    course = ladder.course
    made, times = course.recipe, course.times
    pieces = made.wish.pieces
    portions = f"{pieces} pieces of {g(made.piece_g)}" if pieces > 1 else "one piece"
    rise = round(100 * course.bulk_rise)
    stop = f"Stop bulk at +{rise} %"
    if made.rest_min:
        ladder.add(
            "divide",
            times.bulk_end,
            made.divide_min,
            "Divide and preshape",
            f"{stop}: {portions}. Rest under cover.",
            course.bulk_span,
        )
        ladder.add(
            "shape",
            times.bulk_end + (made.divide_min + made.rest_min) / 60,
            made.shape_min,
            shape_title(made.wish.formula.shape),
            shaping_words(made.wish.formula, made.wish.vessel.kind),
        )
    else:
        minutes = made.divide_min + made.shape_min
        ladder.add(
            "shape",
            times.bulk_end,
            minutes,
            divide_title(made.wish.formula.shape),
            f"{stop}: {portions}. {shaping_words(made.wish.formula, made.wish.vessel.kind)}",
            course.bulk_span,
        )
    if made.wish.proof == "cold":
        hours = duration(60 * (times.load - times.into_fridge))
        wait = f"After {duration(60 * times.waits_h)} in the room: " if times.waits_h > MOMENT_H else ""
        ladder.add(
            "chill",
            times.into_fridge,
            1,
            "Into the fridge",
            f"{wait}{hours} at {c(ladder.clock.room.fridge_c)}, covered. Firm edges when it is right.",
        )


def _baking_steps(ladder: _Ladder) -> None:
    course = ladder.course
    made, load = course.recipe, course.times.load
    bake, vessel = made.bake, made.wish.vessel.name
    if not bake.cold_start:
        inside = f", {vessel.lower()} inside" if course.recipe.preheats_vessel else ""
        text = f"Oven to {c(bake.preheat_c)}{inside}, {bake.preheat_min} min."
        ladder.add("preheat", load - bake.preheat_min / 60, 2, "Preheat", text)
    for number in range(bake.loads):
        start = load + number * (bake.minutes + RECOVERY_MIN) / 60
        of = f" {number + 1} of {bake.loads}" if bake.loads > 1 else ""
        span = course.load_span if number == 0 and made.wish.proof == "room" else None
        for each in bake.steaming(number + 1):
            at = start + each.minute / 60
            title, text = steamed(each)
            ladder.add(f"steam_{each.way}", at, 1, f"{title}{of}", text, what=each.what)
        load_title = "Score and load" if ladder.scored else "Load"
        ladder.add("load", start, 5, f"{load_title}{of}", _load_words(made), span)
        vent = "Turn it round" if len(bake.stages) == 1 else "Lid off" if bake.lidded else "Let the steam out"
        text = f"{_from_here(bake)}. Look every 2 min near the end."
        ladder.add("vent", start + bake.touch_min / 60, 1, f"{vent}{of}", text)
        out = (
            f"Core {c(bake.core_done_c)} or more, a hollow knock, the colour you want. {_LAST[bake.last]} Onto a rack."
        )
        ladder.add("out", start + bake.minutes / 60, 2, f"Out{of}", out)
    done = load + bake.all_loads_min / 60 + bake.cool_min / 60
    ladder.add(
        "cut",
        done,
        0,
        "Cool enough to cut",
        f"{duration(bake.cool_min)} on the rack. {CUT_EARLY[bake.cool_min >= RYE_COOL_MIN]}",
    )


_LAST = {
    "core": "The core is likely to be last.",
    "colour": "The colour is likely to be last.",
    "loss": "Drying is likely to be last.",
}


def _from_here(bake: BakeProfile) -> str:
    first, last = bake.stages[0], bake.stages[-1]
    more = bake.minutes - bake.touch_min
    if last.setpoint_c < first.setpoint_c:
        return f"Down to {c(last.setpoint_c)}, {more} min more"
    return f"Still at {c(last.setpoint_c)}, {more} min more"


def _load_words(made: Recipe) -> str:
    bake = made.bake
    first = bake.stages[0]
    if bake.cold_start:
        return f"Into the cold pot, lid on, into the cold oven; then to {c(first.setpoint_c)} for {first.minutes} min."
    by_hand = loading_words(made.wish.formula.shape, made.wish.vessel.kind)
    lid = "Lid on, " if bake.lidded else ""
    return f"{by_hand}{lid}{first.minutes} min at {c(first.setpoint_c)}."


def fold_plan(course: Course) -> FoldPlan:
    """The folds that this bulk has room for, by feel and hydration, and which of them may slip."""
    made = course.recipe
    dough, count = made.feel, len(course.folds)
    if not count and made.folds:
        return FoldPlan("", 0, 0, 0, 0, TOO_SHORT_TO_FOLD)
    if not count:
        why = "It is kneaded instead." if dough.knead else "It is a paste: stirring is enough."
        return FoldPlan("", 0, 0, 0, 0, why if made.wish.folds is None or not dough.folds else NO_FOLDS)
    kind = "bowl folds, then coil folds" if dough.boxed else "stretch-and-folds"
    every = round(60 * (course.folds[1] - course.folds[0])) if count > 1 else dough.fold_every_min or 30
    if count == 1:
        sentence = f"One set of {kind}, about half way through bulk."
        return FoldPlan(kind, count, every, LEAST_GAP, MOST_GAP, sentence)
    sentence = f"{count} sets of {kind}, {every} min apart. Anything from {LEAST_GAP} to {MOST_GAP} min does no harm: "
    sentence += "only the first two matter for strength"
    sentence += "; the last may be left out if the dough resists." if count > 2 else "."
    return FoldPlan(kind, count, every, LEAST_GAP, MOST_GAP, sentence)


def notes(course: Course, water: WaterAnswer) -> tuple[str, ...]:
    """Sentences worth knowing that are no problem."""
    made = course.recipe
    found = []
    if abs(water.dough_c - made.wish.dough_c) > NEAR_K:
        found.append(f"Tap, kettle and ice together give a dough of {c(water.dough_c)}, not {c(made.wish.dough_c)}.")
    if made.bake.loads > 1:
        found.append(
            f"{made.bake.pieces_per_load} at a time: {made.bake.loads} loads; the later ones wait in the cold."
        )
    if made.bake.short_k > 0:
        found.append(
            f"The oven stays {{{made.bake.short_k:.0f}|dc}} below what this vessel likes: longer at its best heat."
        )
    return tuple(found)
