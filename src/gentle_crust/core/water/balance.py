"""Water temperature by heat balance, and by the bakers' factor rule beside it."""

from dataclasses import dataclass

from gentle_crust.core.errors import CraftError
from gentle_crust.core.messages import NOTHING, Message, message
from gentle_crust.core.water.mixing import Mixed

HEAT_OF_HYDRATION_J_PER_G = 6.0
"""Heat that wetting ordinary flour gives off (tuned; literature 4-15, recalled)."""
FLOUR, WATER, SALT, SUGAR, OIL = 1.8, 4.19, 0.9, 1.25, 2.0
"""Specific heats, J/g K (literature, recalled)."""


MILK = 3.9
BOWL_J_PER_G_K = {"steel": 0.5, "glass": 0.84, "ceramic": 0.9, "plastic": 1.7}
"""Specific heats of bowls, J/g K (literature, recalled)."""


@dataclass(frozen=True)
class Part:
    """Something that goes into the bowl: mass, specific heat (J/g K) and its own temperature."""

    g: float
    heat_j_per_g_k: float
    c: float


@dataclass(frozen=True)
class Mix:
    """What the water meets: all other parts, the dry flour that it wets, and what mixing does to the dough's warmth.

    ``leaven`` is levain, dry_yeast or none; ``levain_c`` the temperature of what fermented first, None without it.
    """

    parts: tuple[Part, ...]
    flour_g: float
    water_g: float
    flour_c: float
    room_c: float
    levain_c: float | None
    leaven: str
    mixed: Mixed
    bowl: Part | None = None
    other_liquid: bool = False
    """Whether milk, beer or the like, in a dough without water, stands for it: grams that hold as much heat."""

    @property
    def heat_j_per_k(self) -> float:
        """Heat that warms everything but the water by one K, the bowl included."""
        return _heat_sum(self.all_parts)

    @property
    def all_parts(self) -> tuple[Part, ...]:
        """The parts and the bowl they are mixed in."""
        return self.parts if self.bowl is None else (*self.parts, self.bowl)

    @property
    def dough_g(self) -> float:
        """All that goes into the bowl."""
        return sum(part.g for part in self.parts) + self.water_g

    @property
    def wetting_j(self) -> float:
        """Heat from wetting the flour, J."""
        return HEAT_OF_HYDRATION_J_PER_G * self.flour_g

    @property
    def rubbed_k(self) -> float:
        """What one K of friction, in which the bowl has no part, leaves in the dough at the end, K."""
        dough = _heat_sum(self.parts) + self.water_g * WATER
        return dough / (self.heat_j_per_k + self.water_g * WATER) * self.mixed.spread

    def at_the_end(self, stirred_c: float, friction_k: float | None = None) -> float:
        """The dough's warmth after mixing, when what went in together has ``stirred_c``."""
        friction = self.mixed.friction_k if friction_k is None else friction_k
        return self.room_c + (stirred_c - self.room_c) * self.mixed.kept + friction * self.rubbed_k

    def at_the_start(self, dough_c: float) -> float:
        """The warmth that all together must have before it is mixed: :meth:`at_the_end`, the other way round."""
        return self.room_c + (dough_c - self.room_c - self.mixed.friction_k * self.rubbed_k) / self.mixed.kept


def levain_heat(hydration: float) -> float:
    """Specific heat of a preferment, J/g K, from its hydration (fraction).

    Parameters
    ----------
    hydration : water over flour, a fraction, .4-2

    Returns
    -------
    J/g K, 1.7-4.2.
    """
    return (FLOUR + WATER * hydration) / (1 + hydration)


def _heat_sum(parts: tuple[Part, ...]) -> float:
    return sum(part.g * part.heat_j_per_g_k for part in parts)


def water_for(target_c: float, mix: Mix) -> float:
    """Temperature that the water must have so that the dough leaves the bowl at ``target_c``.

    Parameters
    ----------
    target_c : temperature that the dough is to have, C, 10-40
    mix : what the water meets: parts with g, J/g K and C, and what mixing adds

    Returns
    -------
    C; it may lie beyond what can be poured. Heat of all parts, of wetting and of mixing in balance.
    """
    if mix.water_g <= 0:
        raise CraftError("dough.water_g", "water-nothing-to-set-with")
    stirred = mix.at_the_start(target_c)
    lacking = sum(part.g * part.heat_j_per_g_k * (stirred - part.c) for part in mix.all_parts)
    return stirred + (lacking - mix.wetting_j) / (mix.water_g * WATER)


def stirred_from(water_c: float, mix: Mix) -> float:
    """What water at ``water_c`` and all else have together before anything is worked, C.

    Parameters
    ----------
    water_c : temperature of the water, C, 0-100
    mix : what the water meets: parts with g, J/g K and C, and what mixing adds

    Returns
    -------
    C.
    """
    held = sum(part.g * part.heat_j_per_g_k * part.c for part in mix.all_parts) + mix.water_g * WATER * water_c
    return (held + mix.wetting_j) / (mix.heat_j_per_k + mix.water_g * WATER)


def dough_from(water_c: float, mix: Mix) -> float:
    """Dough temperature that water at ``water_c`` gives: the same balance, the other way round.

    Parameters
    ----------
    water_c : temperature of the water, C, 0-100
    mix : what the water meets: parts with g, J/g K and C, and what mixing adds

    Returns
    -------
    C.
    """
    return mix.at_the_end(stirred_from(water_c, mix))


def friction_from(dough_c: float, water_c: float, mix: Mix) -> float:
    """What mixing really added, K, when water at ``water_c`` gave a dough of ``dough_c``.

    Parameters
    ----------
    dough_c : temperature of the dough, C, 0-43
    water_c : temperature of the water, C, 0-100
    mix : what the water meets: parts with g, J/g K and C, and what mixing adds

    Returns
    -------
    K.
    """
    return (dough_c - mix.at_the_end(stirred_from(water_c, mix), 0.0)) / mix.rubbed_k


def factor_rule(target_c: float, mix: Mix) -> float:
    """The bakers' rule: n times the target, less flour, room, friction factor and preferment.

    n is 3, or 4 with a preferment; the rule's friction factor is n times the dough's own warming.

    Parameters
    ----------
    target_c : temperature that the dough is to have, C, 10-40
    mix : what the water meets: parts with g, J/g K and C, and what mixing adds

    Returns
    -------
    C (a bakers' rule of thumb).
    """
    count = 3 if mix.levain_c is None else 4
    return count * (target_c - mix.mixed.friction_k) - mix.flour_c - mix.room_c - (mix.levain_c or 0.0)


def why_they_differ(balance_c: float, factor_c: float, mix: Mix) -> Message:
    """One sentence on why the factor rule's water differs from the balance's; empty within 1 K.

    Parameters
    ----------
    balance_c : water by the heat balance, C
    factor_c : water by the factor rule, C
    mix : what the water meets: parts with g, J/g K and C, and what mixing adds

    Returns
    -------
    A sentence, or nothing.
    """
    apart = factor_c - balance_c
    if abs(apart) < 1:
        return NOTHING
    code = "factor-rule-warmer" if apart > 0 else "factor-rule-colder"
    by = message(code, says=round(factor_c, 1), apart=round(abs(apart)))
    levain = 0.0 if mix.levain_c is None else max((part.g for part in mix.parts[-1:]), default=0.0)
    if mix.levain_c is not None and levain < 0.6 * mix.flour_g:
        return message("factor-rule-preferment", by=by, levain=round(levain))
    if mix.bowl is not None:
        return message("factor-rule-bowl", by=by)
    return message("factor-rule-parts", by=by)
