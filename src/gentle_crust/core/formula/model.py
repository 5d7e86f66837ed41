"""A bread formula in baker's percentages. Every percent is by weight over *all* flour, preferments' included."""

from dataclasses import dataclass, field, replace
from typing import Any, Literal

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, Infeasible, Unreadable, within
from gentle_crust.core.formula.flour import MyFlour, property_of
from gentle_crust.core.formula.names import flour_name
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import Message, message, named
from gentle_crust.core.tables import numbers

PrefermentKind = Literal["levain", "poolish", "biga", "sponge", "old_dough"]
ExtraKind = Literal[
    "sugar", "honey", "oil", "butter", "milk", "malt", "seeds", "egg", "cream", "yoghurt", "cheese", "beer", "cider",
    "wine", "juice", "vinegar", "potato", "fruit", "nuts", "other",
]  # fmt: skip
SoakerKind = Literal["soaker", "scald"]
YeastKind = Literal["instant", "active_dry", "fresh", "osmotolerant"]
Shape = Literal["boule", "batard", "baguette", "slipper", "pan_loaf", "flat_round", "roll"]
ROUND: tuple[Shape, ...] = ("boule", "roll", "flat_round")
"""Shapes as long as they are wide."""

YEAST_AS_INSTANT = {"instant": 1.0, "active_dry": 0.33 / 0.40, "fresh": 0.33, "osmotolerant": 1.0}
"""Grams of instant yeast that do the work of one gram of each kind (practice)."""
RYE_RICH = 0.5
"""Share of rye in all flour from which on a dough is handled as rye (practice)."""


@dataclass(frozen=True)
class FlourShare:
    """One flour of the blend: a kind of the flours table and its percent of all flour.

    ``mine`` is the baker's own flour of that kind, as it was known when the formula was written.
    """

    kind: str
    percent: float
    mine: MyFlour | None = None

    @property
    def key(self) -> str:
        """What tells this flour from the others of the formula."""
        return self.mine.id if self.mine else self.kind

    @property
    def name(self) -> Message:
        """As a baker says it."""
        return named(self.mine.name) if self.mine else flour_name(self.kind)


@dataclass(frozen=True)
class Extra:
    """Anything that is not flour, water, salt or leaven; ``late`` if it is worked in after the gluten has formed."""

    name: str
    kind: ExtraKind
    percent: float
    late: bool = False


@dataclass(frozen=True)
class Preferment:
    """A part of the flour that ferments first.

    ``flour_kind`` is the key of one of the formula's flours, ``flour_percent`` the prefermented flour (percent
    of all flour). ``hydration_percent``, ``yeast_percent`` (instant; 0 for a levain) and ``salt_percent`` (old
    dough) are over its own flour.
    """

    kind: PrefermentKind
    flour_kind: str
    flour_percent: float
    hydration_percent: float
    yeast_percent: float = 0.0
    salt_percent: float = 0.0

    @property
    def name(self) -> Message:
        """As a baker says it."""
        return message(f"preferment-{self.kind}")

    @property
    def wild(self) -> bool:
        """Whether it is raised by a culture: a levain, or old dough without yeast."""
        return self.kind == "levain" or (self.kind == "old_dough" and self.yeast_percent == 0)


@dataclass(frozen=True)
class Soaker:
    """Grains, seeds or flour that drink before they go into the dough: cold (soaker) or with boiling water (scald).

    Percents are of all the formula's flour. ``bound`` water stays in the grains and does not slacken the dough.
    """

    name: str
    kind: SoakerKind
    water_percent: float
    flours: tuple[FlourShare, ...] = ()
    extras: tuple[Extra, ...] = ()
    bound: bool = True


@dataclass(frozen=True)
class Formula:
    """A formula as a baker writes it down, with the habits that go with it."""

    name: str
    flours: tuple[FlourShare, ...]
    hydration_percent: float
    """All water over all flour: the preferments', the soakers' and the extras' water included."""
    salt_percent: float
    shape: Shape
    extras: tuple[Extra, ...] = ()
    preferments: tuple[Preferment, ...] = ()
    yeast_percent: float = 0.0
    """Yeast of ``yeast_kind`` put into the final dough."""
    scaling_weight_g: float = 850.0
    pieces: int = 2
    dough_c: float = 25.0
    autolyse_min: int = 30
    note: str = ""
    yeast_kind: YeastKind = "instant"
    soakers: tuple[Soaker, ...] = ()
    held_back_percent: float = 0.0
    """Part of the water that is worked in after the gluten has formed."""
    salt_late: bool = False
    """Salt worked in after the gluten has formed, instead of at mixing."""
    feel_to_percent: float | None = None
    """By feel: hydration may go up to this, from ``hydration_percent``, as the dough asks for it."""
    method: dict[str, Any] | None = field(default=None, hash=False)
    """Its own method as it is written, stage by stage; None: it is made in the style that suits it."""
    yeast_woken: bool = False
    """Dry yeast stirred into warm, sweet water for ten minutes before it goes in."""

    @property
    def instant_yeast_percent(self) -> float:
        """The final dough's yeast as instant yeast, percent of all flour."""
        return self.yeast_percent * YEAST_AS_INSTANT[self.yeast_kind]

    @property
    def leaven(self) -> Literal["levain", "yeast"]:
        """levain, if any of the rise comes from one; else yeast."""
        return "levain" if any(one.wild for one in self.preferments) else "yeast"

    @property
    def by_culture_alone(self) -> bool:
        """Whether a culture raises it, with no yeast from a packet at all."""
        return self.leaven == "levain" and not self.yeast_percent and all(one.wild for one in self.preferments)

    @property
    def prefermented_percent(self) -> float:
        """Share of all flour that is in preferments."""
        return sum(one.flour_percent for one in self.preferments)

    @property
    def all_extras(self) -> tuple[Extra, ...]:
        """The extras of the dough and of its soakers."""
        return (*self.extras, *(extra for soaker in self.soakers for extra in soaker.extras))

    @property
    def bound_water_percent(self) -> float:
        """Water that soaked grains keep to themselves."""
        return sum(soaker.water_percent for soaker in self.soakers if soaker.bound)

    @property
    def free_hydration_percent(self) -> float:
        """Hydration as the hand feels it: all water but what soaked grains keep."""
        return self.hydration_percent - self.bound_water_percent

    @property
    def rye_rich(self) -> bool:
        """Whether half of its flour or more is rye: its dough is a paste that gluten does not hold."""
        return self.blend("rye_fraction") >= RYE_RICH

    def blend(self, column: str) -> float:
        """A property of the flour blend (a numeric column of the flours table), by weight."""
        return sum(share.percent * property_of(share.kind, share.mine, column) for share in self.flours) / 100

    def flour(self, key: str) -> FlourShare | None:
        """The flour of that key, if the formula has it."""
        return next((share for share in self.flours if share.key == key), None)

    def flour_called(self, key: str) -> Message:
        """What the flour of that key is called; one that the formula does not have, by its kind of the table."""
        share = self.flour(key)
        return share.name if share else flour_name(key)


Brought = Literal["water", "fat", "sugar", "salt", "alcohol"]


def share_in(kind: str, what: Brought) -> float:
    """Share of an extra's weight, 0-1, that is water, fat, sugar, salt or alcohol: of an egg .75 is water."""
    return numbers("extras", "kind", what)[kind]


def brought_by(extras: tuple[Extra, ...], what: Brought) -> float:
    """What these extras bring of water, fat, sugar, salt or alcohol, percent of all flour."""
    return sum(extra.percent * share_in(extra.kind, what) for extra in extras)


def poured_water_percent(formula: Formula) -> float:
    """Plain water of all stages, percent of all flour."""
    return formula.hydration_percent - brought_by(formula.all_extras, "water")


def final_water_percent(formula: Formula) -> float:
    """Plain water left for the final dough, the held-back water included; negative if the formula cannot be made."""
    before = sum(one.flour_percent * one.hydration_percent / 100 for one in formula.preferments)
    return poured_water_percent(formula) - before - sum(soaker.water_percent for soaker in formula.soakers)


def final_salt_percent(formula: Formula) -> float:
    """Salt left for the final dough, percent of all flour."""
    return formula.salt_percent - sum(one.flour_percent * one.salt_percent / 100 for one in formula.preferments)


def final_flour_percent(formula: Formula, key: str) -> float:
    """What of one flour is left for the final dough, percent of all flour."""
    share = formula.flour(key)
    used = sum(one.flour_percent for one in formula.preferments if one.flour_kind == key)
    used += sum(soaked.percent for soaker in formula.soakers for soaked in soaker.flours if soaked.key == key)
    return (share.percent if share else 0.0) - used


def check(formula: Formula) -> None:
    """Raise CraftError for whatever cannot be a bread formula; oddities that can be baked are not refused."""
    if not formula.name.strip():
        raise CraftError("name", "formula-name-missing")
    if len(formula.name) > 80:
        raise CraftError("name", "formula-name-length")
    if not formula.flours:
        raise CraftError("flours", "formula-no-flour")
    _check_flours(formula)
    within("hydration_percent", limits.HYDRATION_PERCENT, formula.hydration_percent)
    if formula.feel_to_percent is not None:
        low = formula.hydration_percent
        within(
            "feel_to_percent", Limit("most-water-by-feel", low, min(low + 15, 120), "percent"), formula.feel_to_percent
        )
    within("salt_percent", limits.SALT_PERCENT, formula.salt_percent)
    within("yeast_percent", limits.YEAST_PERCENT, formula.instant_yeast_percent)
    within("dough_c", limits.DOUGH_C, formula.dough_c)
    within("scaling_weight_g", limits.SCALING_WEIGHT_G, formula.scaling_weight_g)
    within("pieces", limits.PIECES, formula.pieces)
    within("autolyse_min", limits.AUTOLYSE_MIN, formula.autolyse_min)
    for index, extra in enumerate(formula.extras):
        within(f"extras.{index}.percent", limits.EXTRA_PERCENT, extra.percent, named(extra.name))
    for index, soaker in enumerate(formula.soakers):
        _check_soaker(formula, index, soaker)
    for index, preferment in enumerate(formula.preferments):
        _check_preferment(index, preferment)
    if not formula.preferments and formula.yeast_percent <= 0:
        raise CraftError("preferments", "formula-no-leaven")
    _check_what_is_left(formula)


def _check_flours(formula: Formula) -> None:
    known = numbers("flours", "kind", "absorption_percent")
    for index, share in enumerate(formula.flours):
        if share.kind not in known:
            raise Unreadable(f"flours.{index}.kind", "formula-flour-unknown", kind=share.kind, names=tuple(known))
        within(f"flours.{index}.percent", limits.EXTRA_PERCENT, share.percent, share.name)
        if share.key in [other.key for other in formula.flours[:index]]:
            raise CraftError(f"flours.{index}.kind", "formula-flour-twice", name=share.name)
    total = sum(share.percent for share in formula.flours)
    if abs(total - 100) > 0.05:
        raise CraftError("flours", "formula-flours-not-100", total=total)


def _check_soaker(formula: Formula, index: int, soaker: Soaker) -> None:
    where = f"soakers.{index}"
    if not soaker.name.strip():
        raise CraftError(f"{where}.name", "formula-soaker-unnamed")
    within(
        f"{where}.water_percent",
        limits.SOAKER_WATER_PERCENT,
        soaker.water_percent,
        message("limit-water-of", whose=soaker.name),
    )
    for place, extra in enumerate(soaker.extras):
        within(f"{where}.extras.{place}.percent", limits.EXTRA_PERCENT, extra.percent, named(extra.name))
    for place, share in enumerate(soaker.flours):
        if formula.flour(share.key) is None:
            raise CraftError(f"{where}.flours.{place}", "formula-soaker-flour-unknown", name=soaker.name)
        within(f"{where}.flours.{place}.percent", limits.SOAKED_FLOUR_PERCENT, share.percent, share.name)


def _check_preferment(index: int, one: Preferment) -> None:
    where = f"preferments.{index}"
    within(f"{where}.flour_percent", limits.PREFERMENTED_PERCENT, one.flour_percent)
    within(
        f"{where}.hydration_percent",
        limits.PREFERMENT_WATER_PERCENT,
        one.hydration_percent,
        message("limit-water-of-the", whose=one.name),
    )
    within(
        f"{where}.yeast_percent",
        limits.PREFERMENT_YEAST_PERCENT,
        one.yeast_percent,
        message("limit-yeast-of-the", whose=one.name),
    )
    within(
        f"{where}.salt_percent",
        limits.PREFERMENT_SALT_PERCENT,
        one.salt_percent,
        message("limit-salt-of-the", whose=one.name),
    )
    if not one.wild and one.yeast_percent <= 0:
        raise CraftError(f"{where}.yeast_percent", "formula-preferment-without-yeast", lower=one.name)


def _check_what_is_left(formula: Formula) -> None:
    """Preferments and soakers can hold no more than the formula has."""
    for index, one in enumerate(formula.preferments):
        share = formula.flour(one.flour_kind)
        if share is None or final_flour_percent(formula, one.flour_kind) < -1e-6:
            has = share.percent if share else 0
            what = share.name if share else message("ingredient-that")
            wanted = (share.percent if share else one.flour_percent) - final_flour_percent(formula, one.flour_kind)
            raise CraftError(
                f"preferments.{index}.flour_percent",
                "formula-prefermented-flour-exceeded",
                wanted=wanted,
                what=what,
                has=has,
            )
    for index, soaker in enumerate(formula.soakers):
        for share in soaker.flours:
            if final_flour_percent(formula, share.key) < -1e-6:
                raise Infeasible(
                    f"soakers.{index}.flours",
                    "formula-soaker-flour-exceeded",
                    name=soaker.name,
                    lower=share.name,
                )
    left = final_water_percent(formula)
    if left < -1e-6:
        where = "preferments.0.hydration_percent" if formula.preferments else "soakers.0.water_percent"
        raise Infeasible(where, "formula-water-exceeded")
    within(
        "held_back_percent",
        Limit("water-held-back", 0, round(left, 4), "percent_of_flour"),
        formula.held_back_percent,
    )
    if final_salt_percent(formula) < -1e-6:
        raise Infeasible("salt_percent", "formula-salt-exceeded")
    if sum(final_flour_percent(formula, share.key) for share in formula.flours) < 5:
        raise CraftError("preferments", "formula-final-flour-too-little")


BY_FEEL_POINTS = 4.0
"""By how much the water of a formula by feel may usually go up, percent of all flour (practice)."""
USUAL_PREFERMENTS = {
    "levain": Preferment("levain", "strong_white", 10, 100),
    "poolish": Preferment("poolish", "strong_white", 30, 100, 0.1),
    "biga": Preferment("biga", "strong_white", 30, 55, 0.12),
    "sponge": Preferment("sponge", "strong_white", 40, 70, 0.6),
    "old_dough": Preferment("old_dough", "strong_white", 15, 68, 0.4, 2),
}
"""What a baker begins from when a preferment is added: for a night in the room, but for the fast sponge (practice)."""


def usual_soakers(seeds: str, grain: str) -> dict[str, Soaker]:
    """What a baker begins from when a soaker or a scald is added, under the names that are given (practice)."""
    return {
        "soaker": Soaker(seeds, "soaker", 6, extras=(Extra(seeds, "seeds", 8),)),
        "scald": Soaker(grain, "scald", 10, extras=(Extra(grain, "other", 5),)),
    }


def new_formula(name: str) -> Formula:
    """A plain levain loaf to begin writing from, under a name that is given."""
    return Formula(name, (FlourShare("strong_white", 100),), 70, 2, "boule", preferments=(USUAL_PREFERMENTS["levain"],))


def with_yeast_kind(formula: Formula, kind: YeastKind) -> Formula:
    """The same strength of another kind of yeast."""
    percent = formula.instant_yeast_percent / YEAST_AS_INSTANT[kind]
    return replace(formula, yeast_kind=kind, yeast_percent=round(percent, 6))
