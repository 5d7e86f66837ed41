"""The water for one dough: temperature wanted, how to draw it, and the dough that it will really give."""

from dataclasses import dataclass, replace

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, Unreadable, within
from gentle_crust.core.fermentation.dough import Dough, makeup
from gentle_crust.core.formula.model import Formula, share_in
from gentle_crust.core.formula.scaling import Ingredient, Weighed
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import NOTHING, Message, message
from gentle_crust.core.tables import numbers
from gentle_crust.core.water.balance import (
    BOWL_J_PER_G_K,
    FLOUR,
    MILK,
    OIL,
    SALT,
    SUGAR,
    WATER,
    Mix,
    Part,
    dough_from,
    factor_rule,
    friction_from,
    levain_heat,
    stirred_from,
    water_for,
    why_they_differ,
)
from gentle_crust.core.water.mixing import Work
from gentle_crust.core.water.taps import ICE_MELTS_AS_K, REFUSED_C, Taps, WaterWarning, draw, harms, warnings

FRESH_YEAST_HEAT = 3.3
"""Specific heat of fresh yeast, mostly water, J/g K (recalled)."""
_HEAT = {"sugar": SUGAR, "honey": 2.5, "oil": OIL, "butter": 2.3, "milk": MILK, "salt": SALT, "fresh": FRESH_YEAST_HEAT}


def _heat_of(kind: str) -> float:
    """Specific heat of what a dough is made of, J/g K: as measured, or as its water and the rest of it have it."""
    if kind in _HEAT or kind not in numbers("extras", "kind", "water"):
        return _HEAT.get(kind, FLOUR)
    wet = share_in(kind, "water")
    return WATER * wet + FLOUR * (1 - wet)


FREEZES_C = -1.0
"""A dough begins to freeze here: its salt keeps it liquid a little below the water's own point (practice)."""
LEAST_AMOUNT = 0.2
"""Of the usual mixing: what less than this adds tells nothing of it (practice)."""
NEAR_K = 0.3
"""A dough this near the wanted temperature is the wanted one."""


@dataclass(frozen=True)
class WaterAnswer:
    """``water_c`` is what the balance asks for; ``dough_c`` what taps, kettle and ice can really give."""

    water_c: float
    tap_g: float
    kettle_g: float
    ice_g: float
    dough_c: float
    factor_method_water_c: float
    warnings: tuple[WaterWarning, ...]
    hot_tap_g: float = 0.0
    factor_why: Message = NOTHING
    """A sentence on why the factor rule says something else; empty if it hardly does."""
    drawn_c: float = 0.0
    """What the water drawn really has."""


@dataclass(frozen=True)
class Pour:
    """Grams of water at one temperature, or of ice at 0 C or below."""

    g: float
    c: float
    ice: bool = False

    @property
    def counts_as_c(self) -> float:
        """As warm as water would have to be to take as much heat: ice is melted by the dough."""
        return self.c / 2 - ICE_MELTS_AS_K if self.ice else self.c


@dataclass(frozen=True)
class Bowl:
    """The bowl that the dough is mixed in: material, grams, and its own temperature."""

    material: str
    g: float
    c: float

    def part(self) -> Part:
        """As the balance counts it. Raises CraftError for an unknown material or an impossible bowl."""
        if self.material not in BOWL_J_PER_G_K:
            raise Unreadable(
                "bowl.material", "water-bowl-unknown", material=self.material, names=", ".join(BOWL_J_PER_G_K)
            )
        within("bowl.g", limits.BOWL_G, self.g)
        within("bowl.c", limits.BOWL_C, self.c)
        return Part(self.g, BOWL_J_PER_G_K[self.material], self.c)


def _check_temperatures(**temperatures: float) -> None:
    for name, value in temperatures.items():
        within(
            name,
            limits.INGREDIENT_C,
            value,
            message(f"limit-temperature-of-{name.removesuffix('_c').replace('_', '-')}"),
        )


def mix_of_dough(dough: Dough, flour_c: float, room_c: float, levain_c: float, work: Work) -> Mix:
    """A batch given in grams. Raises CraftError if no dough can be made of it.

    Parameters
    ----------
    dough : the dough, in g or as it is judged
    flour_c : temperature of the flour, C, -5-45
    room_c : temperature of the kitchen, C, 5-40
    levain_c : temperature of what fermented first, C, 0-45
    work : how it is mixed: way, minutes and speed

    Returns
    -------
    What the water meets.
    """
    makeup(dough)
    _check_temperatures(flour_c=flour_c, room_c=room_c, levain_c=levain_c)
    flour = sum(part.g for part in dough.flours)
    dry_yeast = dough.instant_yeast_g + dough.active_dry_yeast_g
    parts = (
        Part(flour, FLOUR, flour_c),
        Part(dough.salt_g, SALT, room_c),
        Part(dough.sugar_g, SUGAR, room_c),
        Part(dough.oil_g, OIL, room_c),
        Part(dry_yeast, FLOUR, room_c),
        Part(dough.fresh_yeast_g, FRESH_YEAST_HEAT, room_c),
        Part(dough.levain_g, levain_heat(dough.levain_hydration), levain_c),
    )
    leaven = "levain" if dough.levain_g else "dry_yeast" if dry_yeast else "none"
    mixed = work.on(sum(part.g for part in parts) + dough.water_g)
    return Mix(parts, flour, dough.water_g, flour_c, room_c, levain_c if dough.levain_g else None, leaven, mixed)


def mix_of_formula(
    formula: Formula,
    weighed: Weighed,
    flour_c: float,
    room_c: float,
    levain_c: float,
    work: Work,
    bowl: Bowl | None = None,
) -> Mix:
    """A formula's final dough; soaked grains are at the room's temperature, what fermented first at ``levain_c``.

    Parameters
    ----------
    formula : the formula, percents over all flour
    weighed : the formula weighed, g
    flour_c : temperature of the flour, C, -5-45
    room_c : temperature of the kitchen, C, 5-40
    levain_c : temperature of what fermented first, C, 0-45
    work : how it is mixed: way, minutes and speed
    bowl : bowl that is mixed in: material, g and C; none: not counted

    Returns
    -------
    What the water meets.
    """
    _check_temperatures(flour_c=flour_c, room_c=room_c, levain_c=levain_c)
    lines = weighed.dough.lines
    flour = sum(line.g for line in lines if line.role == "flour")
    parts = [Part(flour, FLOUR, flour_c)]
    for line in lines:
        if line.role in ("salt", "yeast", "extra"):
            parts.append(Part(line.g, _heat_of(line.kind), room_c))
    wet, dry, soaked = 0.0, 0.0, []
    for stage in weighed.stages[:-1]:
        water = sum(line.g for line in stage.lines if line.role == "water")
        if stage.kind in ("soaker", "scald"):
            soaked.append(Part(stage.g, (water * WATER + (stage.g - water) * FLOUR) / stage.g, room_c))
        else:
            wet, dry = wet + water, dry + stage.g - water
    parts += soaked
    if dry:
        parts.append(Part(wet + dry, levain_heat(wet / dry), levain_c))
    water = sum(line.g for line in lines if line.role == "water")
    has_yeast = formula.yeast_percent > 0 and formula.yeast_kind != "fresh"
    leaven = "levain" if formula.leaven == "levain" else "dry_yeast" if has_yeast else "none"
    part = bowl.part() if bowl else None
    mixed = work.on(sum(each.g for each in parts) + water)
    ripe_c = levain_c if dry else None
    other = None if water > 0 else _liquid_of(lines, room_c)
    if other is None:
        return Mix(tuple(parts), flour, water, flour_c, room_c, ripe_c, leaven, mixed, part)
    parts.remove(other)
    stands_for = other.g * other.heat_j_per_g_k / WATER
    return Mix(tuple(parts), flour, stands_for, flour_c, room_c, ripe_c, leaven, mixed, part, True)


MOSTLY_WATER = 0.5
"""Share of water from which on an extra can be poured."""


def _liquid_of(lines: tuple[Ingredient, ...], room_c: float) -> Part | None:
    """The milk, beer or other liquid there is most of, at the room's warmth; None if there is none."""
    wet = [line for line in lines if line.role == "extra" and share_in(line.kind, "water") >= MOSTLY_WATER]
    if not wet:
        return None
    most = max(wet, key=lambda line: line.g)
    return Part(most.g, _heat_of(most.kind), room_c)


def plan_water(mix: Mix, target_dough_c: float, taps: Taps) -> WaterAnswer:
    """Water for a dough of ``target_dough_c`` (C) from these taps.

    Raises CraftError if the dough would need water above 50 C; the remedy names the warmest that can be had.

    Parameters
    ----------
    mix : what the water meets: parts with g, J/g K and C, and what mixing adds
    target_dough_c : temperature that the dough is to have, C, 10-40
    taps : cold tap, hot tap, ice and kettle: their temperatures, C

    Returns
    -------
    Water's temperature, and grams of tap, kettle and ice.
    """
    within("target_dough_c", limits.MEASURED_DOUGH_C, target_dough_c, message("limit-dough-temperature"))
    within("tap_c", limits.POURED_TAP_C, taps.cold_c)
    within("altitude_m", limits.ALTITUDE_M, taps.altitude_m)
    if taps.hot_c is not None:
        within("hot_tap_c", Limit("hot-tap", taps.cold_c, 75, "C"), taps.hot_c)
    within("ice_c", limits.ICE_C, taps.ice_c)
    wanted = water_for(target_dough_c, mix)
    if wanted > REFUSED_C:
        warmest = dough_from(40.0, mix)
        raise CraftError(
            "target_dough_c",
            "water-too-hot",
            target_dough_c=target_dough_c,
            wanted=wanted,
            warmest=warmest,
        )
    factor = factor_rule(target_dough_c, mix)
    if mix.other_liquid:
        why = why_they_differ(wanted, factor, mix)
        return WaterAnswer(wanted, 0.0, 0.0, 0.0, target_dough_c, factor, (), 0.0, why, wanted)
    drawn = draw(wanted, mix.water_g, taps)
    return WaterAnswer(
        water_c=wanted,
        tap_g=drawn.tap_g,
        kettle_g=drawn.kettle_g,
        ice_g=drawn.ice_g,
        dough_c=dough_from(drawn.water_c, mix),
        factor_method_water_c=factor,
        warnings=warnings(wanted, drawn, mix.leaven),
        hot_tap_g=drawn.hot_tap_g,
        factor_why=why_they_differ(wanted, factor, mix),
        drawn_c=drawn.water_c,
    )


@dataclass(frozen=True)
class Poured:
    """The dough that some waters give: its temperature, theirs together, and what is odd about them."""

    dough_c: float
    water_c: float
    warnings: tuple[WaterWarning, ...]
    ice_left_g: float = 0.0
    """Ice for whose melting there is not heat enough."""


def poured(mix: Mix, waters: tuple[Pour, ...]) -> tuple[Mix, float]:
    """The mix with the waters that were really poured, and the temperature that they have together, C.

    Ice counts with what melting it takes. Raises CraftError for no water, or hardly half or over twice the dough's.

    Parameters
    ----------
    mix : what the water meets: parts with g, J/g K and C, and what mixing adds
    waters : waters that are poured: g and C each

    Returns
    -------
    The mix, and C.
    """
    for index, water in enumerate(waters):
        low, high = (-30, 0) if water.ice else (0, 100)
        within(f"waters.{index}.c", Limit("ice" if water.ice else "water", low, high, "C"), water.c)
        within(f"waters.{index}.g", limits.INGREDIENT_G, water.g, message("limit-water"))
    total = sum(water.g for water in waters)
    if total <= 0:
        raise CraftError("waters", "water-no-water-poured")
    if not 0.5 <= total / mix.water_g <= 2:
        raise CraftError("waters", "water-sum-wrong", total=total, water_g=mix.water_g)
    return replace(mix, water_g=total), sum(water.g * water.counts_as_c for water in waters) / total


def dough_from_waters(mix: Mix, waters: tuple[Pour, ...]) -> Poured:
    """The dough that these waters give together, whether or not they are all of its water.

    Parameters
    ----------
    mix : what the water meets: parts with g, J/g K and C, and what mixing adds
    waters : waters that are poured: g and C each

    Returns
    -------
    C of dough and water, with what is odd.
    """
    really, mean = poured(mix, waters)
    dough, odd = dough_from(mean, really), []
    if abs(really.water_g - mix.water_g) > max(0.02 * mix.water_g, 1):
        code = "water-too-little-poured" if really.water_g < mix.water_g else "water-too-much-poured"
        text = message(code, poured=round(really.water_g), asked=round(mix.water_g))
        odd.append(WaterWarning("waters_differ", text))
    ice = sum(water.g for water in waters if water.ice)
    left = min(unmelted_g(dough, really), ice)
    if left > 0:
        odd.append(WaterWarning("ice_stays", message("water-ice-stays", g=round(left))))
    odd += harms(mean, mix.leaven)
    return Poured(max(dough, FREEZES_C), mean, tuple(odd), left)


def usual_friction(mix: Mix, waters: tuple[Pour, ...], dough_c: float, work: Work) -> float:
    """What the usual mixing adds, K, by a dough that came to ``dough_c`` (C) of these waters and this work.

    Raises CraftError as ``poured`` does. Hardly mixed, a dough counts as mixed for ``LEAST_AMOUNT``.

    Parameters
    ----------
    mix : what the water meets: parts with g, J/g K and C, and what mixing adds
    waters : waters that are poured: g and C each
    dough_c : temperature of the dough, C, 0-43
    work : how it is mixed: way, minutes and speed

    Returns
    -------
    K.
    """
    within("dough_c", limits.MEASURED_DOUGH_C, dough_c)
    really, mean = poured(mix, waters)
    return friction_from(dough_c, mean, really) / max(work.amount, LEAST_AMOUNT)


def mixing_adds(answer: WaterAnswer, mix: Mix) -> float:
    """What mixing adds to this dough or takes from it in all, K, the kitchen's warmth included.

    Parameters
    ----------
    answer : water as it was planned
    mix : what the water meets: parts with g, J/g K and C, and what mixing adds

    Returns
    -------
    K.
    """
    return answer.dough_c - stirred_from(answer.drawn_c, mix)


def unmelted_g(dough_c: float, mix: Mix) -> float:
    """Ice that stays when a balance that melts all of it gives ``dough_c``: a dough is never colder than it freezes.

    Parameters
    ----------
    dough_c : temperature of the dough, C, 0-43
    mix : what the water meets: parts with g, J/g K and C, and what mixing adds

    Returns
    -------
    g, 0 and more.
    """
    lacking_j = max(FREEZES_C - dough_c, 0.0) * (mix.heat_j_per_k + mix.water_g * WATER)
    return lacking_j / (WATER * ICE_MELTS_AS_K)
