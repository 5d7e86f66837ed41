"""A formula from the likely grams of what was read, stage by stage."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from typing import Any, Literal, cast, get_args

from gentle_crust.contract.adapted import Adapted
from gentle_crust.contract.recipe import Reading, ReadItem, ReadLine, ReadWarning
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.flour import MyFlour
from gentle_crust.core.formula.model import (
    YEAST_AS_INSTANT,
    Extra,
    ExtraKind,
    FlourShare,
    Formula,
    Preferment,
    PrefermentKind,
    Shape,
    Soaker,
    SoakerKind,
    YeastKind,
    brought_by,
    check,
    share_in,
)
from gentle_crust.core.formula.scaling import BOWL_LOSS
from gentle_crust.core.messages import message
from gentle_crust.interchange.recipe.weigh import YEAST_KINDS

FINAL = "final"
_FORMULA: Adapted[Formula] = Adapted(Formula)
StageKind = Literal["levain", "poolish", "biga", "sponge", "soaker", "scald"]
STARTER_FLOUR = 0.5
"""Share of a ripe starter that is flour: equal weights of flour and water, unless it is said otherwise (practice)."""
FEEL_POINTS = 15.0
"""Points of water, percent of flour, that a formula by feel may span at most."""
ROUNDED = 2e-4
"""By how much rounded parts may come to more than their rounded sum, percent."""
Item = ReadItem | ReadLine


@dataclass(frozen=True)
class Facts:
    """What a recipe says of its loaves besides its ingredients; None where it says nothing."""

    name: str = ""
    pieces: int | None = None
    piece_g: float | None = None
    shape: Shape | None = None
    dough_c: float | None = None
    yeast_woken: bool = False
    feel_g: tuple[float, float] = (0.0, 0.0)
    """By how much less and how much more water than is likely a dough may take, g, where it is made by feel."""
    note: str = ""
    starter_hydration: float = 1.0


@dataclass
class _Sum:
    """Grams of one stage, by what they are."""

    flours: dict[tuple[str, str], float] = field(default_factory=dict)
    water: float = 0.0
    salt: float = 0.0
    starter: float = 0.0
    yeasts: dict[YeastKind, float] = field(default_factory=dict)
    extras: dict[tuple[str, str], float] = field(default_factory=dict)

    @property
    def flour(self) -> float:
        return sum(self.flours.values())

    @property
    def instant(self) -> float:
        return sum(YEAST_AS_INSTANT[kind] * g for kind, g in self.yeasts.items())


def _sum(items: Iterable[Item]) -> _Sum:
    found = _Sum()
    for item in items:
        g = item.g.likely
        if item.role == "flour":
            key = item.kind, item.ingredient if item.kind in ("gluten_free", "other") else ""
            found.flours[key] = found.flours.get(key, 0.0) + g
        elif item.role == "water":
            found.water += g
        elif item.role == "salt":
            found.salt += g
        elif item.role == "levain":
            found.starter += g
        elif item.role == "yeast":
            kind = YEAST_KINDS[item.kind]
            found.yeasts[kind] = found.yeasts.get(kind, 0.0) + g
        elif item.role == "extra":
            found.extras[item.ingredient, item.kind] = found.extras.get((item.ingredient, item.kind), 0.0) + g
    return found


def composed(
    stages: Mapping[str, StageKind], items: tuple[Item, ...], facts: Facts
) -> tuple[Formula | None, tuple[ReadWarning, ...]]:
    """The formula that the items of the stages and of the final dough make; None if no flour was read.

    ``stages``: what kind each stage before the final dough is, by its id. The second answer is what had to be bent.
    """
    by_stage = {
        stage: _sum(item for item in items if _stage_of(item) == stage and item.role not in ("aside", "of_stage"))
        for stage in (*stages, FINAL)
    }
    half = 1 / (1 + facts.starter_hydration)
    everything = list(by_stage.values())
    flour = sum(each.flour + half * each.starter for each in everything)
    if flour <= 0 or not any(each.flour for each in everything):
        return None, ()
    odd: list[ReadWarning] = []
    one = _Composer(flour, half, by_stage, odd)
    preferments = one.preferments(stages)
    soakers = one.soakers(stages)
    water = sum(each.water + (1 - half) * each.starter for each in everything)
    extras = one.extras([each for stage, each in by_stage.items() if stages.get(stage) not in get_args(SoakerKind)])
    wet = brought_by((*extras, *(extra for soaker in soakers for extra in soaker.extras)), "water")
    yeasts = by_stage[FINAL].yeasts
    kind_of_yeast: YeastKind = max(yeasts, key=lambda kind: yeasts[kind]) if yeasts else "instant"
    mass = sum(_mass(each) for each in everything)
    pieces = facts.pieces or (max(round(mass * (1 - BOWL_LOSS) / facts.piece_g), 1) if facts.piece_g else 1)
    low, high = facts.feel_g
    hydration = one.percent(water - low) + (round(wet + ROUNDED, 6) if wet else 0.0)
    most = min(high + low, FEEL_POINTS / 100 * flour)
    formula = Formula(
        name=facts.name.strip()[:80] or "A written recipe",
        flours=one.flours(),
        hydration_percent=hydration,
        salt_percent=one.percent(sum(each.salt for each in everything)),
        shape=facts.shape or "boule",
        extras=extras,
        preferments=preferments,
        yeast_percent=one.percent(by_stage[FINAL].instant / YEAST_AS_INSTANT[kind_of_yeast]),
        yeast_kind=kind_of_yeast,
        soakers=soakers,
        scaling_weight_g=round(min(max(facts.piece_g or mass * (1 - BOWL_LOSS) / pieces, 30), 5000), 1),
        pieces=min(max(pieces, 1), 400),
        dough_c=facts.dough_c or 25.0,
        autolyse_min=0,
        note=facts.note[:500],
        yeast_woken=facts.yeast_woken,
        feel_to_percent=None if most <= 0 else round(hydration + 100 * most / flour, 2),
    )
    return formula, tuple(odd)


def _stage_of(item: Item) -> str:
    return item.stage if isinstance(item, ReadItem) else FINAL


def _mass(each: _Sum) -> float:
    return each.flour + each.water + each.salt + each.starter + sum(each.yeasts.values()) + sum(each.extras.values())


class _Composer:
    """Percents over all flour of what the stages hold."""

    def __init__(self, flour: float, half: float, by_stage: dict[str, _Sum], odd: list[ReadWarning]) -> None:
        self.flour, self.half, self.by_stage, self.odd = flour, half, by_stage, odd

    def percent(self, mass: float) -> float:
        """A mass over all flour, percent."""
        return round(100 * mass / self.flour, 4)

    @property
    def main(self) -> tuple[str, str]:
        """The flour there is most of: a starter's flour counts as that."""
        total = self._all_flours()
        return max(total, key=lambda key: total[key])

    def _all_flours(self) -> dict[tuple[str, str], float]:
        total: dict[tuple[str, str], float] = {}
        for each in self.by_stage.values():
            for key, g in each.flours.items():
                total[key] = total.get(key, 0.0) + g
        return total

    def _home(self, each: _Sum) -> tuple[str, str]:
        """Which flour a stage's starter counts as: the one the stage has most of, else the dough's."""
        return max(each.flours, key=lambda key: each.flours[key]) if each.flours else self.main

    def flours(self) -> tuple[FlourShare, ...]:
        """All flours, the starters' counted with those they are in."""
        total = self._all_flours()
        for each in self.by_stage.values():
            total[self._home(each)] += self.half * each.starter
        shares = {key: self.percent(g) for key, g in total.items()}
        shares[self.main] = round(shares[self.main] + 100 - sum(shares.values()), 4)
        ordered = sorted(shares, key=lambda key: -shares[key])
        return tuple(FlourShare(kind, shares[kind, name], _own(kind, name)) for kind, name in ordered)

    def preferments(self, stages: Mapping[str, StageKind]) -> tuple[Preferment, ...]:
        """One of each stage that ferments; stages of one sour in a row are one levain; a starter by itself is one."""
        found: list[Preferment] = []
        wild = [stage for stage, kind in stages.items() if kind == "levain"]
        for stage, kind in stages.items():
            if kind in get_args(SoakerKind) or (kind == "levain" and stage != wild[-1]):
                continue
            group = [self.by_stage[each] for each in wild] if kind == "levain" else [self.by_stage[stage]]
            one = self._preferment(cast(PrefermentKind, kind), group)
            if one is not None:
                found.append(one)
        final = self.by_stage[FINAL]
        if final.starter:
            home = self._home(final) if final.flours else self.main
            share = self.percent(self.half * final.starter)
            found.append(Preferment("levain", _key(*home), share, round(100 * (1 - self.half) / self.half, 1)))
        return tuple(found)

    def _preferment(self, kind: PrefermentKind, group: list[_Sum]) -> Preferment | None:
        flour = sum(each.flour + self.half * each.starter for each in group)
        if flour <= 0:
            return None
        water = sum(each.water + (1 - self.half) * each.starter for each in group)
        for each in group:
            for (name, extra), g in list(each.extras.items()):
                wet = share_in(extra, "water")
                if wet > 0.5:
                    water += wet * g
                    each.water += wet * g
                    del each.extras[name, extra]
                    self.odd.append(ReadWarning("liquid_as_water", message("recipe-liquid-as-water", name=name)))
        main = max(group, key=lambda each: each.flour)
        instant = sum(each.instant for each in group)
        return Preferment(
            kind,
            _key(*self._home(main)),
            self.percent(flour),
            round(100 * water / flour, 2),
            round(100 * instant / flour, 4),
            round(100 * sum(each.salt for each in group) / flour, 3),
        )

    def soakers(self, stages: Mapping[str, StageKind]) -> tuple[Soaker, ...]:
        """One of each stage that drinks."""
        found = []
        for stage, kind in stages.items():
            each = self.by_stage[stage]
            if kind not in get_args(SoakerKind) or not (each.flours or each.extras):
                continue
            flours = tuple(FlourShare(k, self.percent(g), _own(k, name)) for (k, name), g in each.flours.items())
            first = next(iter(each.extras), None)
            name = first[0].capitalize() if first else stage.capitalize()
            found.append(Soaker(name, cast(SoakerKind, kind), self.percent(each.water), flours, self.extras([each])))
        return tuple(found)

    def extras(self, group: list[_Sum]) -> tuple[Extra, ...]:
        """What is no flour, water, salt or leaven."""
        total: dict[tuple[str, str], float] = {}
        for each in group:
            for key, g in each.extras.items():
                total[key] = total.get(key, 0.0) + g
        return tuple(
            Extra(name[:1].upper() + name[1:], cast(ExtraKind, kind), self.percent(g))
            for (name, kind), g in total.items()
        )


def _own(kind: str, ingredient: str) -> MyFlour | None:
    """A flour that the table only knows as one of many keeps the name that the recipe gave it."""
    if not ingredient:
        return None
    return MyFlour(_key(kind, ingredient), ingredient.capitalize(), kind)


def _key(kind: str, ingredient: str) -> str:
    """What tells a flour of the formula from the others."""
    return f"read-{ingredient.replace(' ', '-')}" if ingredient else kind


def formula_of(reading: Reading, name: str) -> Formula:
    """A formula from the likely grams of weighed lines: one piece of all the dough, leaven and yeast as they are.

    Raises CraftError, naming the field, if no bread formula comes of it.
    """
    formula, _ = composed({}, reading.items, Facts(name))
    if formula is None or not reading.percent or not any(item.role == "flour" for item in reading.items):
        raise CraftError("lines", "interchange-recipe-no-flour")
    check(formula)
    return formula


def plain_formula(formula: Formula) -> dict[str, Any]:
    """A formula as its JSON."""
    written: dict[str, Any] = _FORMULA.write(formula)
    return written
