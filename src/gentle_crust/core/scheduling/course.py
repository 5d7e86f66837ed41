"""The dough's course through one plan: levain, bulk, shaping and proof, each as long as its forecast says."""

from dataclasses import dataclass, replace

import numpy as np

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.shaped import shaped_state, shaping_of
from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.dough import Makeup, makeup_of
from gentle_crust.core.fermentation.engine import Leg, State, Trace, begin, handled, run
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.room import room_leg, step_h
from gentle_crust.core.fermentation.targets import ShareTarget, proof_target
from gentle_crust.core.formula.feel import Feel, feel
from gentle_crust.core.formula.model import Preferment
from gentle_crust.core.formula.scaling import Weighed, weigh
from gentle_crust.core.leaven.build import preferment_in_dough
from gentle_crust.core.leaven.feeds import Wanted
from gentle_crust.core.oven.equipment import vessel_row
from gentle_crust.core.oven.loaf import loaf_of
from gentle_crust.core.oven.profile import BakeProfile, profile
from gentle_crust.core.scheduling.wish import Kitchen, Wish

MIX_MIN = 15
FOLDS_NEED_H = 0.2
"""A fold nearer to the end of bulk than this is not made any more."""
CLOSEST_FOLDS_H = 1 / 6
BULK_STEPS = 12
"""A bulk is looked at so often at least: a quick one is over within an hour."""
SHORTEST_HANDLING_H = 0.05


@dataclass(frozen=True)
class Recipe:
    """A wish worked out: grams, feel, bake and the hands-on minutes between bulk and proof."""

    wish: Wish
    weighed: Weighed
    feel: Feel
    makeup: Makeup
    bake: BakeProfile
    target: ShareTarget
    holds_bulk: float
    holds_shaped: float
    shaping: str
    proof_container: str
    divide_min: int
    rest_min: int
    shape_min: int
    folds_at_h: tuple[float, ...] | None = None
    """When it was and will be folded, hours after mixing, once that is known better than by the plan."""

    @property
    def mix_min(self) -> int:
        """From flour and water to a dough, min."""
        return MIX_MIN + (5 if self.feel.knead else 0)

    @property
    def handling_h(self) -> float:
        """From the end of bulk to the start of proof, hours."""
        return (self.divide_min + self.rest_min + self.shape_min) / 60

    @property
    def preheats_vessel(self) -> bool:
        """Whether the vessel stands in the oven while it heats: pots and stones do, tins and trays hold the dough."""
        return vessel_row(self.wish.vessel.kind)["proof_group"] in ("hot_pot", "stone")

    @property
    def piece_g(self) -> float:
        """Dough in one piece."""
        return self.wish.scaling_weight_g

    @property
    def ripened(self) -> tuple[tuple[Preferment, float], ...]:
        """What must ripen for this dough and its grams: all preferments but old dough, which is kept, not made."""
        stages = zip(self.wish.formula.preferments, self.weighed.stages, strict=False)
        return tuple((one, stage.g) for one, stage in stages if one.kind != "old_dough")

    @property
    def wanted(self) -> Wanted:
        """What must ripen for this dough."""
        return Wanted(self.wish.formula, self.ripened, self.wish.starter, self.wish.culture == "hungry")

    @property
    def folds(self) -> int:
        """Sets of folds: those that the dough asks for, unless the baker gives it another number."""
        return self.feel.folds if self.wish.folds is None else self.wish.folds

    @property
    def fold_times_h(self) -> tuple[float, ...]:
        """When each fold falls, hours after mixing began."""
        if self.folds_at_h is not None:
            return self.folds_at_h
        return tuple((MIX_MIN + self.feel.fold_every_min * (n + 1)) / 60 for n in range(self.folds))


def recipe(wish: Wish, kitchen: Kitchen) -> Recipe:
    """Work out grams, feel, bake profile and targets of a wish. Raises CraftError if any is impossible."""
    formula = wish.formula
    weighed = weigh(formula, wish.pieces, wish.scaling_weight_g)
    asks = feel(formula).folds
    folded = 1.0 if wish.folds is None or not asks else min(wish.folds / asks, 1.0)
    lively = wish.starter.vigour.likely if wish.starter and formula.by_culture_alone else 1.0
    made = replace(
        makeup_of(formula), flour_g=weighed.flour_g, dough_g=weighed.dough_g, folded=folded, liveliness=lively
    )
    rye = formula.rye_rich
    tin, flat = formula.shape == "pan_loaf", formula.shape in ("slipper", "flat_round")
    group = vessel_row(wish.vessel.kind)["proof_group"]
    in_tray = group == "tray" or flat
    return Recipe(
        wish=wish,
        weighed=weighed,
        feel=feel(formula),
        makeup=made,
        bake=profile(
            wish.vessel, kitchen.oven, formula.shape, wish.scaling_weight_g, wish.pieces - wish.later_pieces,
            formula.blend("rye_fraction"), wish.proof == "cold", round(formula.hydration_percent / 100, 2),
            kitchen.altitude_m, round(loaf_of(formula, wish.scaling_weight_g, None).sugar, 3), kitchen.steam,
        ),
        target=proof_target(group, wish.proof == "cold"),
        holds_bulk=greatest_rise(made, "bulk"),
        holds_shaped=greatest_rise(made, shaped_state(formula, group)),
        shaping=shaping_of(formula),
        proof_container="tin" if tin else "tray" if in_tray else "banneton",
        divide_min=round(5 + 1.5 * wish.pieces),
        rest_min=0 if rye or flat else 20,
        shape_min=round(5 + 1.5 * wish.pieces),
    )  # fmt: skip


def folded_in_time(made: Recipe, bulk_h: float) -> Recipe:
    """The recipe with the folds that the baker asked for closer together, if its bulk is too short for their usual gap.

    None follows another within ten minutes, so of very many only some find room.
    """
    asked, room_h = made.wish.folds, bulk_h - MIX_MIN / 60 - FOLDS_NEED_H
    if not asked or made.folds_at_h is not None or made.fold_times_h[-1] < bulk_h - FOLDS_NEED_H:
        return made
    gap_h = max(room_h / (asked + 0.5), CLOSEST_FOLDS_H)
    times = tuple(MIX_MIN / 60 + gap_h * (n + 1) for n in range(asked))
    return replace(made, folds_at_h=tuple(at for at in times if at < bulk_h - FOLDS_NEED_H))


def with_preferment(made: Recipe, preferment: Preferment, ripe: State) -> Recipe:
    """The recipe once one of its yeasted preferments has fermented, grown yeast and spent food included."""
    return replace(made, makeup=preferment_in_dough(made.makeup, ripe, preferment.flour_percent / 100))


def run_bulk(made: Recipe, clock: Clock, mix: float, hours: float, activity: Floats) -> Trace:
    """Carry the dough from mixing (at ``mix``) through its folds for ``hours``."""
    boxed = "box" if made.feel.boxed else "covered_bowl"
    state = begin(made.makeup, made.wish.dough_c, len(activity))
    step = min(step_h(activity), hours / BULK_STEPS)
    leg = room_leg(clock, mix, hours, boxed, made.weighed.dough_g, made.holds_bulk, step)
    return run(made.makeup, state, replace(leg, folds_h=made.fold_times_h), activity)


@dataclass(frozen=True)
class Shaped:
    """From the end of bulk to the start of proof: the rest's trace, and the dough as it is set to proof."""

    divided: State
    rest: Trace | None
    state: State


def shape(
    made: Recipe, clock: Clock, bulk_end: float, state: State, activity: Floats, hours: float | None = None
) -> Shaped:
    """Divide, rest and shape the dough; time passes in the room all the while, ``hours`` of it if other than usual."""
    divided = handled(made.makeup, state, "divide")
    took = made.handling_h if hours is None else max(hours, SHORTEST_HANDLING_H)
    leg = room_leg(clock, bulk_end, took, "tray", made.piece_g, made.holds_bulk, step_h(activity))
    rest = run(made.makeup, divided, leg, activity)
    return Shaped(divided, rest, handled(made.makeup, rest.end(), made.shaping))


def run_proof(
    made: Recipe, clock: Clock, start: float, hours: float, state: State, activity: Floats, waits_h: float = 0.0
) -> Trace:
    """Final proof from ``start``: in the room, or for a cold proof in the fridge, after ``waits_h`` in the room."""
    if made.wish.proof == "cold":
        steps = max(int(np.ceil(hours / step_h(activity))), 2)
        middles = (np.arange(steps) + 0.5) * hours / steps
        fridge = np.where(middles < waits_h, clock.room_c(start + middles), clock.room.fridge_c)
        leg = Leg(hours, fridge, made.proof_container, made.piece_g, made.holds_shaped)
    else:
        leg = room_leg(clock, start, hours, made.proof_container, made.piece_g, made.holds_shaped, step_h(activity))
    return run(made.makeup, state, leg, activity)
