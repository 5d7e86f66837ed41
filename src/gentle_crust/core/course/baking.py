"""The bake of a course: vessel, heat and steam filled from the kitchen, and simulated until it is done."""

from dataclasses import dataclass, replace
from functools import lru_cache
from math import ceil

from gentle_crust.core.course.ask import Asked, Kitchen
from gentle_crust.core.course.method import Baking, HeatStage
from gentle_crust.core.formula.model import Formula, Shape
from gentle_crust.core.messages import NOTHING, Message, message
from gentle_crust.core.oven.bake import Bake, Baked, bake
from gentle_crust.core.oven.equipment import Oven, Vessel, fits, vessel_row
from gentle_crust.core.oven.hazards import hazards
from gentle_crust.core.oven.kit import Fired, InVessel, OvenStage, Preheat, Preheated, Steam, steam_of
from gentle_crust.core.oven.loaf import OVER_NIGHT_H, PROOFED_C, Loaf, loaf_of
from gentle_crust.core.oven.profile import FRIDGE_C, RECOVERY_MIN, SOAK_AFTER_RAKING_MIN
from gentle_crust.core.oven.staged import Done, Want, done_of, draft, heat_of, soak_min, usual_steam
from gentle_crust.core.oven.turning import half_way, in_use

Whys = tuple[tuple[str, Message], ...]
AS_HEATED: dict[str, Preheated] = {"all": "whole", "lid": "lid", "hob": "hob", "none": "none", "oven_only": "none"}
BY_SHAPE: dict[Shape, tuple[str, ...]] = {
    "boule": ("hot_pot", "cold_start", "stone", "tray"),
    "batard": ("hot_pot", "cold_start", "stone", "tray"),
    "baguette": ("stone", "tray"),
    "slipper": ("stone", "tray"),
    "flat_round": ("stone", "tray"),
    "roll": ("tray", "stone"),
    "pan_loaf": ("tin",),
}
"""Vessels by the group of their proof target, the best for a shape first (practice)."""
IF_NONE = {"pan_loaf": "tin", "roll": "tray", "boule": "lidded_cast_iron", "batard": "lidded_cast_iron"}
LONGER_MIN = 100.0
LEAST_LAST_MIN = 4
FIRED_HOTTER_K = 25.0
"""A dome is so much hotter than the floor once the fire is raked out (practice)."""
USUAL_MEANS = (Steam("hot_pan"), Steam("mist_loaf"))


@dataclass(frozen=True)
class FilledBake:
    """A whole bake of one part: what goes in, how it is heated and steamed, its stages, and when it is done.

    ``question`` is what was simulated; ``stages`` may say more (a swap, a turn) and last as long. ``end`` is how core
    (C), colour (0-100) and loss (share) are as a load comes out, by line. ``short_k``: how far the oven stays below
    what the table asks for; ``misfit`` why the loaf does not fit; ``refused`` why it must not be.
    """

    oven: Oven
    vessel: Vessel
    heated: str
    stages: tuple[HeatStage, ...]
    per_load: int
    loads: int
    units: int
    core_done_c: float
    colour_done: float
    loss_done: float
    done_min: float | None
    last: str
    end: tuple[tuple[str, float], ...]
    short_k: float
    misfit: Message
    refused: Message
    why: Whys
    settings_stated: bool
    fired: Fired | None
    question: Bake

    @property
    def preheated(self) -> bool | str:
        """As the simulation's question says it."""
        return self.heated if self.heated in ("lid", "hob") else self.heated == "all"

    @property
    def lidded(self) -> bool:
        """Whether the vessel has a lid."""
        return vessel_row(self.vessel.kind)["lidded"] == "1"

    @property
    def preheat(self) -> Preheat:
        """How the oven is heated before the first load."""
        return self.question.preheat

    @property
    def steam(self) -> tuple[Steam, ...]:
        """What makes steam, with its grams."""
        return self.question.steam

    @property
    def minutes(self) -> float:
        """One load, from door shut to loaf out."""
        return self.question.minutes

    @property
    def all_min(self) -> float:
        """From the first load to the last loaf out."""
        return self.loads * self.minutes + (self.loads - 1) * RECOVERY_MIN

    @property
    def vent_min(self) -> float:
        """When the lid comes off or the steam is let out; the bake's end if it never is."""
        return self.question.vent_min

    @property
    def oven_settings(self) -> tuple[object, ...]:
        """What two parts must agree in to share a load."""
        return (self.preheat, tuple((each.minutes, each.setpoint_c, each.fan, each.grill) for each in self.stages))


def filled_bake(asked: Asked, baking: Baking, pieces: int, cold: bool) -> FilledBake:
    """The bake of ``pieces``, straight from the fridge if ``cold``."""
    formula, kitchen = asked.formula, asked.kitchen
    oven, fired = (kitchen.oven, kitchen.fired) if baking.oven is None else (baking.oven, baking.fired)
    loaf = loaf_of(formula, asked.scaling_weight_g, None)
    shaped = Loaf(
        max(round(asked.scaling_weight_g / 5) * 5, 30),
        min(max(round(formula.hydration_percent / 100, 2), 0.45), 1.2),
        FRIDGE_C if cold else PROOFED_C,
        formula.shape,
        1,
        round(min(loaf.sugar, 0.4), 3),
        cold_hours=OVER_NIGHT_H if cold else 0.0,
    )
    vessel, why = _vessel(baking.vessel, kitchen, formula, asked.scaling_weight_g)
    steam, steam_why = _steam(baking, vessel, oven, kitchen, formula)
    rye = formula.rye_rich
    found = _baked(shaped, pieces, vessel, oven, fired, baking, steam, rye, kitchen.altitude_m)
    whys = [*why, *steam_why]
    if baking.heated is None:
        whys.append(("heated", message("course-why-heated", how=message(f"course-heated-{found.heated}"))))
    if baking.stages is None:
        whys.append(("stages", message("course-why-stages", minutes=round(found.minutes))))
    return replace(found, why=tuple(whys))


def _vessel(given: Vessel | None, kitchen: Kitchen, formula: Formula, piece_g: float) -> tuple[Vessel, Whys]:
    """The vessel that was named, as the kitchen has it; else the kitchen's best for the shape."""
    if given in kitchen.vessels:
        return given, ()
    if given is not None:
        return next((each for each in kitchen.vessels if each.kind == given.kind), given), ()
    groups = (
        BY_SHAPE[formula.shape] if not formula.rye_rich or formula.shape == "pan_loaf" else ("stone", "hot_pot", "tray")
    )
    able = [each for each in kitchen.vessels if not fits(each, formula.shape, piece_g)]
    ranked = sorted(able, key=lambda each: _rank(each, groups))
    if ranked:
        return ranked[0], (("vessel", message("course-why-vessel", shape=message(f"shape-{formula.shape}"))),)
    if kitchen.vessels:
        return kitchen.vessels[0], (("vessel", message("course-why-vessel-only")),)
    usual = IF_NONE.get(formula.shape, "stone")
    return Vessel(usual, usual, ""), (("vessel", message("course-why-vessel-usual")),)


def _rank(vessel: Vessel, groups: tuple[str, ...]) -> int:
    group = vessel_row(vessel.kind)["proof_group"]
    return groups.index(group) if group in groups else len(groups)


def _steam(
    baking: Baking, vessel: Vessel, oven: Oven, kitchen: Kitchen, formula: Formula
) -> tuple[tuple[Steam, ...], Whys]:
    """What was asked for; else the best of the kitchen's means, if this bake wants steam."""
    if baking.steam is not None:
        return tuple(each for each in baking.steam if each.kind != "none"), ()
    kinds = usual_steam(vessel, oven, formula.shape, tuple(each.kind for each in kitchen.steam))
    own = {each.kind: each for each in kitchen.steam}
    chosen = tuple(own.get(kind, steam_of(Steam(kind))) for kind in kinds)
    why = message("course-why-steam" if chosen else "course-why-no-steam")
    return chosen, (("steam", why),)


@lru_cache(maxsize=512)
def _baked(
    loaf: Loaf, pieces: int, vessel: Vessel, oven: Oven, fired: Fired | None, baking: Baking,
    steam: tuple[Steam, ...], rye: bool, altitude_m: float,
) -> FilledBake:  # fmt: skip
    """The bake drawn up where it was left open, simulated as asked where it was not."""
    asked_heat = baking.heated
    want = Want(rye=rye, steam=(), steam_given=True, preheated=None if asked_heat is None else AS_HEATED[asked_heat])
    made = draft(loaf, pieces, vessel, oven, want, altitude_m)
    lidded = vessel_row(vessel.kind)["lidded"] == "1"
    heated = asked_heat or _usual_heated(made.bake.vessel.preheated, lidded)
    core = made.done.core_c if baking.core_c is None else baking.core_c
    colour = made.done.colour if baking.colour is None else baking.colour
    loss = made.done.loss if baking.loss is None else baking.loss
    minutes = 0.0 if heated == "none" else made.bake.preheat.minutes
    first = made.bake.stages[0].setpoint_c if baking.stages is None else baking.stages[0].setpoint_c
    if heated == "oven_only" and not minutes:
        open_tray, out = InVessel("tray", "none"), replace(loaf, cold_hours=0.0)
        minutes = float(soak_min(open_tray, heat_of(oven), first, oven.kind == "electric_fan", out))
    if baking.preheat_min is not None and heated != "none":
        minutes = baking.preheat_min
    if oven.kind == "wood":
        minutes = 0.0
        fired = fired or Fired(first - FIRED_HOTTER_K, first + FIRED_HOTTER_K, SOAK_AFTER_RAKING_MIN)
    heat = replace(heat_of(oven), fired=fired)
    question = replace(
        made.bake, oven=heat, steam=tuple(steam_of(each) for each in steam),
        preheat=Preheat(first, minutes, made.bake.preheat.fan),
    )  # fmt: skip
    at_once = made.per_load
    if baking.stages is not None:
        question, stages = replace(question, stages=_simulated(baking.stages)), baking.stages
    else:
        question = _until_done(question, core, colour, loss)
        stages = heat_stages(question.stages)
    done = done_of(bake(_longer(question)), core, colour, loss)
    units = in_use(vessel, oven, loaf, min(at_once, pieces))
    if baking.stages is None:
        stages = turned(stages, oven, units)
    refused = next((each.text for each in hazards(question) if each.weight == "refused"), NOTHING)
    return FilledBake(
        oven=oven,
        vessel=vessel,
        heated=heated,
        stages=stages,
        per_load=at_once,
        loads=ceil(pieces / at_once),
        units=units,
        core_done_c=core,
        colour_done=colour,
        loss_done=loss,
        done_min=_both(done),
        last=done.last,
        end=_ends(bake(question)),
        short_k=0.0 if oven.kind == "wood" else made.short_k if baking.stages is None else max(first - oven.top_c, 0.0),
        misfit=fits(vessel, loaf.shape, loaf.dough_g),
        refused=refused,
        why=(),
        settings_stated=baking.stages is not None,
        fired=fired,
        question=question,
    )


def _simulated(stages: tuple[HeatStage, ...]) -> tuple[OvenStage, ...]:
    """Stages of heat as the simulation takes them."""
    return tuple(OvenStage(each.minutes, each.setpoint_c, each.covered, each.fan, each.grill) for each in stages)


def heat_stages(stages: tuple[OvenStage, ...]) -> tuple[HeatStage, ...]:
    """Stages of a simulated bake as a method says them."""
    return tuple(HeatStage(each.minutes, each.setpoint_c, each.covered, each.fan, grill=each.grill) for each in stages)


def _longer(question: Bake) -> Bake:
    """A bake that goes on after its end, to see when a loaf is done that is not by then."""
    last = question.stages[-1]
    return replace(question, stages=(*question.stages[:-1], replace(last, minutes=last.minutes + LONGER_MIN)))


def _ends(went: Baked) -> tuple[tuple[str, float], ...]:
    """How a loaf is as it leaves the oven, by the simulation's lines."""
    return tuple((line, went.end(line)) for line in ("core", "crust", "colour", "base_colour", "loss", "crust_mm"))


def _usual_heated(preheated: Preheated, lidded: bool) -> str:
    if preheated != "none":
        return "all" if preheated == "whole" else preheated
    return "none" if lidded else "oven_only"


def _until_done(question: Bake, core: float, colour: float, loss: float) -> Bake:
    """The last stage made as long as the loaf takes with this heat and this steam."""
    before, last = question.stages[:-1], question.stages[-1]
    covered = sum(stage.minutes for stage in before)
    went = bake(replace(question, stages=(*before, replace(last, minutes=LONGER_MIN))))
    end = done_of(went, core, colour, loss).minute
    end = covered + last.minutes if end is None else end
    opened = max(ceil(end - covered - 0.2), LEAST_LAST_MIN)
    return replace(question, stages=(*before, replace(last, minutes=float(opened))))


def _both(done: Done) -> float | None:
    """Minutes until core and colour are both there."""
    if done.core_min is None or done.colour_min is None:
        return None
    return round(max(done.core_min, done.colour_min), 1)


def turned(stages: tuple[HeatStage, ...], oven: Oven, units: int) -> tuple[HeatStage, ...]:
    """Trays on two shelves change places half-way, and loaves in a wood fire are turned: the last stage in two."""
    at = half_way([stage.minutes for stage in stages]) if units > 1 or oven.kind == "wood" else None
    if at is None:
        return stages
    first = at - sum(stage.minutes for stage in stages[:-1])
    last = stages[-1]
    rest = replace(last, minutes=last.minutes - first, swap=units > 1, turn=oven.kind == "wood")
    return (*stages[:-1], replace(last, minutes=float(first)), rest)


def sharing(one: FilledBake, other: FilledBake) -> FilledBake | None:
    """``other`` with the oven settings of ``one``, if both go in at once; None if they cannot."""
    if one.oven != other.oven or one.loads > 1 or other.loads > 1:
        return None
    if _room(one) + _room(other) > 1.001 and _same_vessel(one, other):
        return None
    if not _same_vessel(one, other) and _shelves(one) + _shelves(other) > one.oven.shelves:
        return None
    if one.oven_settings == other.oven_settings:
        return other
    if other.settings_stated or "none" in (one.heated, other.heated):
        return None
    return _with_settings_of(one, other)


@lru_cache(maxsize=64)
def _with_settings_of(one: FilledBake, other: FilledBake) -> FilledBake:
    """A bake at the oven settings of another, simulated so."""
    question = replace(other.question, stages=_simulated(one.stages), preheat=one.preheat, steam=one.steam)
    done = done_of(bake(_longer(question)), other.core_done_c, other.colour_done, other.loss_done)
    return replace(
        other, stages=one.stages, question=question, done_min=_both(done), last=done.last, end=_ends(bake(question)),
        why=(*other.why, ("stages", message("course-why-shared"))),
    )  # fmt: skip


def _same_vessel(one: FilledBake, other: FilledBake) -> bool:
    return one.vessel.kind == other.vessel.kind


def _room(one: FilledBake) -> float:
    """Share of what goes in at once that a part takes up."""
    return one.units / max(one.oven.shelves, 1) if _flat_tray(one) else one.per_load / max(_most(one), 1)


def _flat_tray(one: FilledBake) -> bool:
    return vessel_row(one.vessel.kind)["proof_group"] == "tray"


def _most(one: FilledBake) -> int:
    row = vessel_row(one.vessel.kind)
    if row["kind"] == "tin":
        return max(int(one.oven.shelf_cm2 / 350), 1) * max(one.oven.shelves - 1, 1)
    return max(one.per_load, int(row["holds_pieces"]))


def _shelves(one: FilledBake) -> int:
    return max(one.units, 1) if vessel_row(one.vessel.kind)["flat"] == "1" else 1
