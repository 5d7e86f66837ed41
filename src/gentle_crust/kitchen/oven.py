"""The oven room's questions: ways to bake a loaf ranked, one of them drawn up, altered and simulated."""

from dataclasses import dataclass, field, replace
from typing import Any

from gentle_crust.contract.kitchen import MyBake, Settings
from gentle_crust.contract.oven import AskedBake, AskedLoaf
from gentle_crust.core import limits
from gentle_crust.core.course.as_written import as_written
from gentle_crust.core.course.baking import heat_stages, turned
from gentle_crust.core.course.method import Baking
from gentle_crust.core.course.styles import fitting, method_for
from gentle_crust.core.course.tailored import with_bake
from gentle_crust.core.errors import CraftError, NotFound, within
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import Message, message
from gentle_crust.core.oven.bake import Bake, Baked, bake
from gentle_crust.core.oven.dials import other_words
from gentle_crust.core.oven.doneness import Lag, Sign, cutting, lag, remedies, said, shade
from gentle_crust.core.oven.equipment import Oven, Vessel, shape_row
from gentle_crust.core.oven.falling import Afternoon, Bread, afternoon
from gentle_crust.core.oven.hazards import Hazard, hazards
from gentle_crust.core.oven.kit import Fired, OvenStage, Steam, steam_of
from gentle_crust.core.oven.learnt import as_it_went
from gentle_crust.core.oven.lesson import Seen
from gentle_crust.core.oven.loads import Load, loads
from gentle_crust.core.oven.loaf import Loaf, loaf_of
from gentle_crust.core.oven.profile import RYE_COOL_MIN
from gentle_crust.core.oven.ranking import CRUST_OF, Way, rank
from gentle_crust.core.oven.schools import School, schools
from gentle_crust.core.oven.shelf import LoadPlan, load_plan
from gentle_crust.core.oven.staged import Done, Draft, Want, done_of, draft
from gentle_crust.core.oven.steps import Touch, touches
from gentle_crust.core.oven.turning import in_use
from gentle_crust.kitchen.formulas import FormulaBook
from gentle_crust.kitchen.oven_lessons import OvenLessons
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work

MOST_BAKES = 40
LONGER_MIN = 60.0
"""How far an altered bake is followed beyond its end, to say when it would be done."""


@dataclass(frozen=True)
class Shown:
    """A bake drawn up or altered, as it goes, and what a baker has to know about it."""

    vessel: Vessel
    question: Bake
    baked: Baked
    done: Done
    lag: Lag
    usual: tuple[OvenStage, ...]
    soak_min: int
    soak_short_k: float
    out_min: float
    said: Message
    """When it is done, what comes last, and what to do if that lags."""
    shade: Message
    hazards: tuple[Hazard, ...]
    loads: tuple[Load, ...]
    load: LoadPlan
    touches: tuple[Touch, ...]
    dials: tuple[Message, ...]
    cool_min: int
    cutting: Message
    short_k: float


@dataclass(frozen=True)
class Looked:
    """A loaf looked at: share lost (None: not weighed), what to do with it (nothing: done), what was wanted."""

    loss: float | None
    signs: tuple[Sign, ...]
    done: Done


@dataclass(frozen=True)
class _Found:
    loaf: Loaf
    pieces: int
    rye: bool
    levain: bool
    settings: Settings = field(repr=False)


class OvenBook:
    """Answers for the one kitchen."""

    def __init__(self, work: Work) -> None:
        self.work, self.formulas, self.settings = work, FormulaBook(work), KitchenSettings(work)
        self.lessons = OvenLessons(work)

    def loaf(self, asked: AskedLoaf) -> _Found:
        """The loaf as the oven takes it."""
        formula = self.formulas.get(asked.formula_id).formula
        settings = self.lessons.kitchen()
        pieces = asked.pieces or formula.pieces
        within("pieces", limits.PIECES_IN_OVEN, pieces)
        grams = asked.piece_g or formula.scaling_weight_g
        within("piece_g", limits.SCALING_WEIGHT_G, grams, message("limit-dough-per-piece"))
        loaf = loaf_of(formula, grams, settings.fridge_c if asked.cold else None)
        rye = formula.rye_rich
        return _Found(loaf, pieces, rye, formula.leaven == "levain", settings)

    def rank(self, asked: AskedLoaf) -> tuple[Way, ...]:
        """Every way that the kit allows, the best first."""
        found = self.loaf(asked)
        kit = found.settings
        return rank(
            found.loaf,
            found.pieces,
            kit.vessels,
            kit.oven,
            kit.steam,
            asked.wish,
            found.rye,
            kit.altitude_m,
            kit.paper_c,
            _fired(asked, kit),
        )

    def bake(self, asked: AskedBake) -> Shown:
        """One way, drawn up; or as the baker altered it."""
        found = self.loaf(asked.loaf)
        kit = found.settings
        vessel, made = self._draft(asked, found)
        question, went, done = made.bake, made.baked, made.done
        if asked.stages or asked.preheat_min is not None or asked.poured:
            minutes = made.bake.preheat.minutes if asked.preheat_min is None else asked.preheat_min
            stages = asked.stages or made.bake.stages
            first = stages[0].setpoint_c or made.bake.preheat.setpoint_c
            heating = replace(made.bake.preheat, minutes=minutes, setpoint_c=first)
            question = replace(made.bake, preheat=heating, stages=stages, steam=_poured(made.bake.steam, asked.poured))
            went = bake(question)
            longer = replace(stages[-1], minutes=stages[-1].minutes + LONGER_MIN)
            on = bake(replace(question, stages=(*stages[:-1], longer)))
            done = done_of(on, done.core_c, done.colour, done.loss)
        form = shape_row(found.loaf.shape)
        paper = kit.paper_c if asked.paper_c is None else within("paper_c", limits.PAPER_C, asked.paper_c)
        return Shown(
            vessel=vessel,
            question=question,
            baked=went,
            done=done,
            lag=lag(done),
            usual=made.bake.stages,
            soak_min=made.soak_min,
            soak_short_k=_short(question, went),
            out_min=question.minutes,
            said=said(done, question.minutes),
            shade=shade(went.end("colour")),
            hazards=hazards(question, vessel, kit.oven, paper if vessel.kind != "tin" else None),
            loads=loads(
                found.pieces,
                made.per_load,
                round(question.minutes),
                kit.room_day_c,
                kit.fridge_c,
                found.levain,
                asked.loaf.cold,
            ),
            load=load_plan(
                vessel, kit.oven, found.loaf, found.pieces, tuple(stage.minutes for stage in question.stages)
            ),
            touches=touches(question, done, vessel, kit.oven, kit.tools, found.rye),
            dials=tuple(other_words(stage) for stage in question.stages),
            cool_min=RYE_COOL_MIN if found.rye else int(form["cool_min"]),
            cutting=cutting(found.rye),
            short_k=made.short_k,
        )

    def method(self, asked: AskedBake) -> dict[str, Any]:
        """The formula's method, or that of the style that suits it, baked as this bake is drawn or was altered."""
        formula, kit = self.formulas.get(asked.loaf.formula_id).formula, self.lessons.kitchen()
        style = fitting(formula, kit.vessels)[0]
        return as_written(with_bake(method_for(style, formula), baking_of(self.bake(asked), kit.oven)))

    def keep(self, name: str, asked: AskedBake) -> Settings:
        """The kitchen with this bake among the baker's own; one of the same name is kept over."""
        question, called = self.bake(asked).question, name.strip()
        if not 0 < len(called) <= 40:
            raise CraftError("name", "kitchen-bake-name-length")
        steam = tuple(steam_of(each) for each in question.steam if each.kind != "none")
        with self.work.write():
            before = self.settings.get()
            id_ = next((each.id for each in before.bakes if each.name == called), None) or _free(before.bakes)
            own = MyBake(
                id_, called, asked.vessel_id, question.vessel.preheated, steam, question.stages,
                question.preheat.minutes,
            )  # fmt: skip
            others = tuple(each for each in before.bakes if each.id != id_)
            if len(others) >= MOST_BAKES:
                raise CraftError("name", "kitchen-too-many-bakes", most=MOST_BAKES)
            return self.settings.save(replace(before, bakes=(*others, own)))

    def drop(self, id_: str) -> Settings:
        """The kitchen without one of the baker's own bakes. Raises NotFound for one that there is not."""
        with self.work.write():
            before = self.settings.get()
            left = tuple(each for each in before.bakes if each.id != id_)
            if len(left) == len(before.bakes):
                raise NotFound("id", "kitchen-bake-gone")
            return self.settings.save(replace(before, bakes=left))

    def signs(
        self, asked: AskedBake, core_c: float | None, colour: float | None, base: float | None, out_g: float | None
    ) -> Looked:
        """A loaf looked at: what it lost, and what to do with it."""
        found = self.loaf(asked.loaf)
        grams, loss = found.loaf.dough_g, None
        if core_c is not None:
            within("core_c", limits.CORE_C, core_c)
        for name, value in (("colour", colour), ("base_colour", base)):
            if value is not None:
                within(name, limits.COLOUR, value, message(f"limit-{name.replace('_', '-')}"))
        if out_g is not None:
            within("out_g", Limit("weight-of-a-loaf-out-of-the-oven", round(grams / 2), round(grams), "g"), out_g)
            loss = round(1 - out_g / grams, 4)
        done = self.bake(asked).done
        return Looked(loss, remedies(core_c, colour, base, loss, done), done)

    def teach(
        self,
        key: str,
        asked: AskedBake,
        looked: tuple[float | None, float | None, float | None],
        baked_min: float | None,
    ) -> None:
        """Teach the oven by a loaf: its core (C), colour and weight (g) after ``baked_min``, or as long as is drawn."""
        core_c, colour, out_g = looked
        loss = self.signs(asked, core_c, colour, None, out_g).loss
        question = self.bake(asked).question
        if baked_min is not None:
            question = as_it_went(question, within("baked_min", limits.BAKED_MIN, baked_min))
        name = self.formulas.get(asked.loaf.formula_id).formula.name
        self.lessons.teach(key, name, question, Seen(core_c, None, colour, loss))

    def afternoon(self, fired: Fired) -> Afternoon:
        """How a fired oven falls, and which of the formulas has its turn when."""
        kit = self.settings.get()
        breads = [
            Bread(each.id, each.formula.name, loaf_of(each.formula, each.formula.scaling_weight_g, None),
                  each.formula.pieces)
            for each in self.formulas.all()
        ]  # fmt: skip
        return afternoon(kit.oven, fired, breads, kit.altitude_m)

    def schools(self, asked: AskedBake) -> tuple[School, ...]:
        """What bakers disagree about, as variants of this bake."""
        found = self.loaf(asked.loaf)
        vessel = _vessel(found.settings, asked.vessel_id)
        return schools(
            found.loaf, found.pieces, vessel, found.settings.oven, _want(asked, found), found.settings.altitude_m
        )

    def _draft(self, asked: AskedBake, found: _Found) -> tuple[Vessel, Draft]:
        kit = found.settings
        vessel = _vessel(kit, asked.vessel_id)
        return vessel, draft(found.loaf, found.pieces, vessel, kit.oven, _want(asked, found), kit.altitude_m)


def _fired(asked: AskedLoaf, kit: Settings) -> Fired | None:
    """How hot the kitchen's oven is as it is loaded, if it is one that is fired and that was measured."""
    return asked.fired if kit.oven.kind == "wood" else None


def _poured(usual: tuple[Steam, ...], own: tuple[Steam, ...]) -> tuple[Steam, ...]:
    """Ways to steam, those that were given otherwise in their place."""
    given = {each.kind: each for each in own}
    return tuple(steam_of(given.get(each.kind, each)) for each in usual)


def _free(bakes: tuple[MyBake, ...]) -> str:
    """An id that none of them has."""
    taken = {each.id for each in bakes}
    return next(f"bake-{n}" for n in range(1, len(taken) + 2) if f"bake-{n}" not in taken)


HEATED: dict[str, str] = {"whole": "all", "lid": "lid", "hob": "hob"}


def baking_of(shown: Shown, oven: Oven) -> Baking:
    """A drawn bake as a method says it: vessel, what is heated, steam with its amounts, stages, who changes places."""
    question = shown.question
    cold = "oven_only" if question.preheat.minutes else "none"
    stages = heat_stages(question.stages)
    units = in_use(shown.vessel, oven, question.loaf, question.loaf.pieces)
    return Baking(
        vessel=shown.vessel,
        heated=HEATED.get(question.vessel.preheated, cold),
        preheat_min=None if question.preheat.minutes in (0, shown.soak_min) else question.preheat.minutes,
        steam=tuple(each for each in question.steam if each.kind != "none"),
        stages=turned(stages, oven, units),
    )


def _want(asked: AskedBake, found: _Found) -> Want:
    steam = found.settings.steam if asked.steam is None else asked.steam
    return Want(
        CRUST_OF.get(asked.loaf.wish, "usual"),
        found.rye,
        steam,
        asked.steam is not None,
        asked.preheated,
        _fired(asked.loaf, found.settings),
    )


def _vessel(kit: Settings, key: str) -> Vessel:
    for vessel in kit.vessels:
        if vessel.id == key:
            return vessel
    raise CraftError("vessel_id", "kitchen-oven-vessel-gone")


def _short(question: Bake, went: Baked) -> float:
    """How far the vessel stays below the set point at loading, K; 0 if nothing was to be soaked."""
    if question.vessel.preheated != "whole" or question.preheat.setpoint_c <= 0:
        return 0.0
    wanted = question.preheat.setpoint_c + question.oven.offset_k
    return max(round(wanted - went.at("vessel", 0.0), 0), 0.0)
