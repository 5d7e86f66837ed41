"""Preferments that go into a dough: what they bring of flour and water, of grown cells, spent food and gas."""

from dataclasses import dataclass, replace
from typing import Literal, get_args

import numpy as np

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, Unreadable, within
from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.dough import Dough, FlourPart, Makeup, makeup
from gentle_crust.core.fermentation.engine import Leg, State, begin, run
from gentle_crust.core.fermentation.forecast import Stretch, carry
from gentle_crust.core.fermentation.uncertainty import ONE, bought
from gentle_crust.core.leaven.build import preferment_in_dough, preferment_ripe_hours

MixedKind = Literal["poolish", "biga", "sponge", "old_dough", "levain"]
RIPENS_AT_C = 21.0
"""Where a preferment of which only is said that it is ripe is thought to have stood (practice)."""
STARTS_AT_C = 22.0
FOLLOWED_H = 96.0


@dataclass(frozen=True)
class MixedIn:
    """A preferment as it goes into a dough, grams. ``path``: where it stood; empty: as long as it takes to be ripe."""

    kind: MixedKind
    flours: tuple[FlourPart, ...]
    water_g: float
    instant_yeast_g: float = 0.0
    path: tuple[Stretch, ...] = ()
    start_c: float = STARTS_AT_C

    @property
    def flour_g(self) -> float:
        """Its flour."""
        return sum(part.g for part in self.flours)

    def alone(self) -> Makeup:
        """It as a dough in its jar."""
        return replace(makeup(Dough(self.flours, self.water_g, instant_yeast_g=self.instant_yeast_g)), in_jar=True)


def check(one: MixedIn, field: str) -> None:
    """Raise CraftError for a preferment that nobody makes."""
    if one.kind not in get_args(MixedKind):
        raise Unreadable(f"{field}.kind", "culture-preferment-unknown", kind=one.kind, names=get_args(MixedKind))
    within(f"{field}.flour_g", limits.INGREDIENT_G, one.flour_g)
    if one.flour_g <= 0:
        raise CraftError(f"{field}.flours", "fermentation-no-flour")
    within(f"{field}.water_g", limits.PREFERMENT_WATER_PERCENT, round(100 * one.water_g / one.flour_g, 1))
    if one.kind != "levain":
        within(
            f"{field}.instant_yeast_g",
            limits.PREFERMENT_DOSE_PERCENT,
            round(100 * one.instant_yeast_g / one.flour_g, 4),
        )


def whole(dough: Dough, preferments: tuple[MixedIn, ...]) -> Makeup:
    """A dough as its fermentation sees it, with its preferments in it.

    Their flour and water are counted with the dough's own. Yeasted ones bring the cells that grew in them, awake;
    the food that these ate is spent, and their water is full of gas. A levain counts as one more levain, ripe.

    Raises CraftError, naming the field, for what cannot be.
    """
    for index, one in enumerate(preferments):
        check(one, f"dough.preferments.{index}")
    levains = [one for one in preferments if one.kind == "levain"]
    yeasted = [one for one in preferments if one.kind != "levain"]
    for one in levains:
        dough = _with_levain(dough, one)
    flours = (*dough.flours, *(part for one in yeasted for part in one.flours))
    water = dough.water_g + sum(one.water_g for one in yeasted)
    made = makeup(replace(dough, flours=flours, water_g=water))
    for one in yeasted:
        made = preferment_in_dough(made, at_mixing(one), one.flour_g / made.flour_g, one.water_g / one.flour_g)
    return made


def _with_levain(dough: Dough, one: MixedIn) -> Dough:
    """The dough with one more levain; several are taken as one of their mean water."""
    flour = dough.levain_g / (1 + dough.levain_hydration) + one.flour_g
    water = dough.levain_g - dough.levain_g / (1 + dough.levain_hydration) + one.water_g
    return replace(dough, levain_g=flour + water, levain_hydration=water / flour)


def at_mixing(one: MixedIn) -> State:
    """A yeasted preferment as it goes into the dough: at the end of its path, or ripe."""
    alone = one.alone()
    grams = max(alone.dough_g, 20.0)
    if one.path:
        return carry(alone, begin(alone, one.start_c), one.path, grams, bought(), ONE, jar=True)[-1].end()
    holds = greatest_rise(alone, "culture")
    leg = Leg(FOLLOWED_H, np.array([RIPENS_AT_C]), "covered_bowl", grams, holds)
    trace = run(alone, begin(alone, RIPENS_AT_C), leg, ONE)
    return trace.at(float(preferment_ripe_hours(trace)[0]))
