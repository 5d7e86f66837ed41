"""The steps of a plan by the clock, what is weighed for each, and the words for them."""

from dataclasses import replace
from datetime import datetime

from gentle_crust.core.cautions import at_step
from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.uncertainty import Span
from gentle_crust.core.formula.feel import feel
from gentle_crust.core.formula.model import Formula, flour_name
from gentle_crust.core.formula.scaling import Ingredient
from gentle_crust.core.oven.profile import RECOVERY_MIN
from gentle_crust.core.scheduling.clock import Clock
from gentle_crust.core.scheduling.course import MIX_MIN, Recipe, final_dough
from gentle_crust.core.scheduling.leaven import HANDS_MIN, START_C, Ripening
from gentle_crust.core.scheduling.result import Feeling, Step, TimeSpan, Totals, WeighLine, WeighStage
from gentle_crust.core.scheduling.whole import Course
from gentle_crust.core.scheduling.wish import Kitchen
from gentle_crust.core.water.balance import FLOUR, Part, levain_heat, water_for
from gentle_crust.core.water.plan import WaterAnswer, plan_water

SAID_ONCE = ("jar", "mould")
"""Cautions that a second feed on the same plan need not repeat."""
SCALE_TELLS_G = 10.0
"""A kitchen scale of 1 g cannot be trusted below this."""


def c(value: float) -> str:
    """A temperature to be shown in the baker's own unit."""
    return f"{{{value:.1f}|c}}"


def g(value: float) -> str:
    """A mass to be shown in the baker's own unit."""
    return f"{{{value:.2f}|g}}"


def duration(minutes: float) -> str:
    """Minutes as a baker says them."""
    whole = round(minutes)
    hours, rest = divmod(whole, 60)
    if not hours:
        return f"{rest} min"
    return f"{hours} h {rest} min" if rest else f"{hours} h"


def mixing_of(made: Recipe) -> str:
    """The wish's way of mixing, or the one that the dough's feel asks for."""
    return made.wish.mixing or ("hand_kneading" if made.feel.knead else "folds")


def water_for_mix(course: Course, kitchen: Kitchen, clock: Clock) -> WaterAnswer:
    """Water for the final dough, flour and salt being at the room's temperature when it is stirred.

    Milk is warmed with the water to the same temperature; only the water is drawn from tap, kettle and ice.
    """
    made = course.recipe
    preferment = made.wish.formula.preferment
    stirred = course.times.mix if course.autolyse is None else course.autolyse
    room = clock.room_at(stirred)
    levain_c = room
    if course.ripenings:
        last = course.ripenings[-1]
        levain_c = float(last.trace.at(last.wanted - last.start).nodes_c.mean())
    dough = final_dough(made.weighed, preferment.hydration_percent if preferment else None)
    try:
        answer = plan_water(
            dough, room, room, levain_c, made.wish.dough_c, mixing_of(made), kitchen.tap_c, kitchen.altitude_m
        )
    except CraftError as error:
        field = "dough_c" if error.field == "target_dough_c" else error.field
        raise CraftError(field, error.sentence, error.remedy) from error
    drawn = sum(line.g for line in made.weighed.stages[-1].lines if line.role == "water") / dough.water_g
    return replace(answer, tap_g=answer.tap_g * drawn, kettle_g=answer.kettle_g * drawn, ice_g=answer.ice_g * drawn)


def _build_water_c(ripening: Ripening, clock: Clock, hydration: float) -> float:
    """Water that brings a build to its starting temperature, seed and flour being at the room's."""
    room = clock.room_at(ripening.start)
    parts = (
        Part(ripening.build.flour_g, FLOUR, room),
        Part(ripening.build.seed_g, levain_heat(hydration), room),
    )
    return min(max(water_for(START_C, parts, ripening.build.flour_g, ripening.build.water_g, 0.5), 5.0), 40.0)


def totals(made: Recipe) -> Totals:
    """The formula in figures, counted overall and as mixed."""
    weighed = made.weighed
    return Totals(
        weighed.flour_g,
        weighed.dough_g,
        weighed.overall_hydration_percent,
        weighed.mixed_hydration_percent,
        weighed.overall_salt_percent,
        weighed.mixed_salt_percent,
        weighed.prefermented_percent,
    )


def handling_words(formula: Formula) -> str:
    """How a formula's gluten is developed, in a sentence."""
    dough = feel(formula)
    if formula.blend("rye_fraction") >= 0.5:
        return "Stir to a paste; no kneading, no folds."
    if dough.knead:
        return "Knead by hand 10 to 15 min, until a membrane stretches."
    if dough.boxed:
        return f"{dough.folds} folds: bowl folds first, then coil folds in an oiled box."
    return f"{dough.folds} stretch-and-folds, half an hour apart; ten minutes either way do no harm."


def feeling(made: Recipe) -> Feeling:
    """The dough's feel and the handling it asks for, in words."""
    return Feeling(made.feel.word, made.feel.capacity_percent, handling_words(made.wish.formula))


class _Ladder:
    """Collects steps, each with the cautions of its kind."""

    def __init__(self, course: Course, kitchen: Kitchen, clock: Clock) -> None:
        self.course, self.clock = course, clock
        self.vessel = course.recipe.wish.vessel.kind
        self.oven = kitchen.oven.kind
        self.found: list[Step] = []
        self.said: set[str] = set()

    def add(self, kind: str, at: float, minutes: int, title: str, detail: str, span: Span | None = None) -> None:
        found = at_step(kind, self.vessel, self.oven, self.course.recipe.bake.lidded)
        cautions = tuple(each for each in found if each.code not in self.said)
        self.said |= {each.code for each in cautions if each.code in SAID_ONCE}
        self.found.append(Step(kind, self.clock.at(at), minutes, title, detail, self.span(span), cautions))

    def span(self, span: Span | None) -> TimeSpan | None:
        if span is None:
            return None
        return TimeSpan(
            *(None if hours is None else self.clock.at(hours) for hours in (span.low, span.likely, span.high))
        )


def steps(course: Course, kitchen: Kitchen, clock: Clock, water: WaterAnswer) -> tuple[Step, ...]:
    """All steps of a course in order of time."""
    ladder = _Ladder(course, kitchen, clock)
    for ripening in course.ripenings:
        _ripening_step(ladder, ripening, clock)
    _mixing_steps(ladder, water)
    _shaping_steps(ladder)
    _baking_steps(ladder)
    return tuple(sorted(ladder.found, key=lambda step: step.at))


def _ripening_step(ladder: _Ladder, ripening: Ripening, clock: Clock) -> None:
    preferment, build = ripening.preferment, ripening.build
    water = f"{g(build.water_g)} water at {c(_build_water_c(ripening, clock, preferment.hydration_percent / 100))}"
    if ripening.kind in ("feed", "levain"):
        amounts = f"{g(build.seed_g)} culture, {g(build.flour_g)} flour, {water}."
        title = "Feed the culture" if ripening.kind == "feed" else "Build the levain"
        ladder.add(ripening.kind, ripening.start, HANDS_MIN, title, amounts, ripening.ripe)
        return
    yeast = build.flour_g * preferment.yeast_percent / 100
    detail = f"{g(build.flour_g)} flour, {water}, {g(yeast)} instant yeast.{_dilution(yeast)}"
    ladder.add("preferment", ripening.start, HANDS_MIN, f"Mix the {ripening.kind}", detail, ripening.ripe)


def _dilution(yeast_g: float) -> str:
    """How to weigh what the scale cannot: a gram stirred into a hundred of water, and part of that used."""
    if yeast_g >= SCALE_TELLS_G / 5:
        return ""
    return f" Too little for the scale: stir {g(1)} yeast into {g(100)} of the water, use {g(100 * yeast_g)} of it."


def _mixing_steps(ladder: _Ladder, water: WaterAnswer) -> None:
    course = ladder.course
    made = course.recipe
    sources = _sources(water)
    lines = made.weighed.stages[-1].lines
    flour = sum(line.g for line in lines if line.role == "flour")
    later = [_into_the_bowl(line) for line in lines if line.role not in ("flour", "water")]
    if course.autolyse is not None:
        detail = f"{g(flour)} flour and the water at {c(water.water_c)}: {sources}. Cover."
        ladder.add("autolyse", course.autolyse, 5, "Flour and water rest", detail)
        begin = f"Add {_and(later)}."
    else:
        begin = f"Everything together, water at {c(water.water_c)}: {sources}."
    knead = " Knead 10 to 15 min, until a membrane stretches." if made.feel.knead else ""
    minutes = MIX_MIN + (5 if made.feel.knead else 0)
    ladder.add(
        "mix", course.times.mix, minutes, "Mix", f"{begin}{knead} The dough leaves the bowl at {c(water.dough_c)}."
    )
    for number, fold in enumerate(course.folds, 1):
        how = (
            "Wet hands, lift the middle and let the ends tuck under."
            if made.feel.boxed and number > 2
            else "Wet hands, once round the bowl."
        )
        ladder.add("fold", fold, 3, f"Fold {number} of {len(course.folds)}", how)


def _into_the_bowl(line: Ingredient) -> str:
    return f"the ripe {line.kind}" if line.role in ("levain", "preferment") else line.name.lower()


def _sources(water: WaterAnswer) -> str:
    parts = [f"{g(water.tap_g)} tap"]
    if water.kettle_g >= 0.5:
        parts.append(f"{g(water.kettle_g)} kettle")
    if water.ice_g >= 0.5:
        parts.append(f"{g(water.ice_g)} ice")
    return ", ".join(parts)


def _and(words: list[str]) -> str:
    return words[0] if len(words) == 1 else ", ".join(words[:-1]) + " and " + words[-1]


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
            "Shape",
            _shape_words(made),
        )
    else:
        minutes = made.divide_min + made.shape_min
        ladder.add(
            "shape",
            times.bulk_end,
            minutes,
            "Divide and shape",
            f"{stop}: {portions}. {_shape_words(made)}",
            course.bulk_span,
        )
    if made.wish.proof == "cold":
        hours = duration(60 * (times.load - times.proof_start))
        ladder.add(
            "chill",
            times.proof_start,
            1,
            "Into the fridge",
            f"{hours} at {c(ladder.clock.room.fridge_c)}, covered. Firm edges when it is right.",
        )


def _shape_words(made: Recipe) -> str:
    if made.wish.formula.blend("rye_fraction") >= 0.5:
        return "Wet hands and scraper, into the greased tin, smooth the top."
    return {
        "tin": "Roll up tight, seam down, into the greased tin.",
        "tray": "Tip out, stretch from below, do not press.",
    }.get(made.proof_container, "Tight without tearing, seam closed, into the floured basket seam up.")


def _baking_steps(ladder: _Ladder) -> None:
    course = ladder.course
    made, load = course.recipe, course.times.load
    bake, vessel = made.bake, made.wish.vessel.name
    steaming, drying = bake.stages
    if not bake.cold_start:
        inside = f", {vessel.lower()} inside" if course.recipe.preheats_vessel else ""
        text = f"Oven to {c(bake.preheat_c)}{inside}, {bake.preheat_min} min."
        ladder.add("preheat", load - bake.preheat_min / 60, 2, "Preheat", text)
    for number in range(bake.loads):
        start = load + number * (bake.minutes + RECOVERY_MIN) / 60
        of = f" {number + 1} of {bake.loads}" if bake.loads > 1 else ""
        span = course.load_span if number == 0 and made.wish.proof == "room" else None
        ladder.add("load", start, 5, f"Score and load{of}", _load_words(made), span)
        vent = "Lid off" if bake.lidded else "Let the steam out"
        text = f"Down to {c(drying.setpoint_c)}, {drying.minutes} min more. Look every 2 min near the end."
        ladder.add("vent", start + steaming.minutes / 60, 1, f"{vent}{of}", text)
        out = f"Core {c(bake.core_done_c)} or more, a hollow knock, deep colour. Onto a rack."
        ladder.add("out", start + bake.minutes / 60, 2, f"Out{of}", out)
    done = load + bake.all_loads_min / 60 + bake.cool_min / 60
    ladder.add(
        "cut", done, 0, "Cool enough to cut", f"{duration(bake.cool_min)} on the rack: the crumb is still setting."
    )


def _load_words(made: Recipe) -> str:
    bake = made.bake
    first = bake.stages[0]
    if bake.cold_start:
        return f"Into the cold pot, lid on, into the cold oven; then to {c(first.setpoint_c)} for {first.minutes} min."
    if bake.lidded:
        return f"Lid on, {first.minutes} min at {c(first.setpoint_c)}."
    return f"Steam, then {first.minutes} min at {c(first.setpoint_c)}."


def on_scale(grams: float) -> float:
    """Grams as a kitchen scale shows them: whole from 10 g up, tenths below, hundredths below one."""
    return round(grams, 0 if grams >= SCALE_TELLS_G else 1 if grams >= 1 else 2)


def weigh_stages(course: Course, clock: Clock, water: WaterAnswer) -> tuple[WeighStage, ...]:
    """What is weighed, stage by stage, in the order of time. Sums are of the figures shown, so that they add up."""
    stages = [_ripening_weights(ripening, clock) for ripening in course.ripenings]
    lines = tuple(_line(line, water) for line in course.recipe.weighed.stages[-1].lines)
    stirred = course.times.mix if course.autolyse is None else course.autolyse
    stages.append(_stage("dough", "Dough", clock.at(stirred), lines))
    return tuple(stages)


def _stage(kind: str, title: str, at: datetime, lines: tuple[WeighLine, ...]) -> WeighStage:
    return WeighStage(kind, title, at, lines, round(sum(line.g for line in lines), 2))


def _line(line: Ingredient, water: WaterAnswer) -> WeighLine:
    note = f"{c(water.water_c)}" if line.kind in ("water", "milk") else ""
    return WeighLine(line.name, line.role, on_scale(line.g), line.percent, line.mixed_percent, note)


def _ripening_weights(ripening: Ripening, clock: Clock) -> WeighStage:
    preferment, build = ripening.preferment, ripening.build
    warm = c(_build_water_c(ripening, clock, preferment.hydration_percent / 100))
    weights = [("Culture", "seed", build.seed_g, "")] if build.seed_g else []
    weights.append((flour_name(preferment.flour_kind), "flour", build.flour_g, ""))
    weights.append(("Water", "water", build.water_g, warm))
    yeast = build.flour_g * preferment.yeast_percent / 100
    if yeast:
        weights.append(("Instant yeast", "yeast", yeast, ""))
    lines = tuple(WeighLine(name, role, on_scale(grams), None, None, note) for name, role, grams, note in weights)
    title = {"feed": "Culture", "levain": "Levain"}.get(ripening.kind, ripening.kind.capitalize())
    return _stage(ripening.kind, title, clock.at(ripening.start), lines)


def notes(course: Course, water: WaterAnswer) -> tuple[str, ...]:
    """Sentences worth knowing that are no problem."""
    made = course.recipe
    found = []
    if water.dough_c - made.wish.dough_c > 0.5 or made.wish.dough_c - water.dough_c > 0.5:
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
