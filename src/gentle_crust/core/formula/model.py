"""A bread formula in baker's percentages. Every percent is by weight over *all* flour, preferments' included."""

from dataclasses import dataclass
from typing import Literal

from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.tables import numbers, rows

PrefermentKind = Literal["levain", "poolish", "biga", "sponge"]
ExtraKind = Literal["sugar", "honey", "oil", "butter", "milk", "malt", "seeds", "other"]
Shape = Literal["boule", "batard", "baguette", "slipper", "pan_loaf", "flat_round", "roll"]

WATER_IN = {"milk": 0.88, "butter": 0.15, "honey": 0.17}
"""Share of an extra's weight that is water (practice)."""


@dataclass(frozen=True)
class FlourShare:
    """One flour of the blend: a kind of the flours table and its percent of all flour."""

    kind: str
    percent: float


@dataclass(frozen=True)
class Extra:
    """Anything that is not flour, water, salt or leaven."""

    name: str
    kind: ExtraKind
    percent: float


@dataclass(frozen=True)
class Preferment:
    """A part of the flour that ferments first.

    ``flour_percent`` is the prefermented flour (percent of all flour), ``hydration_percent`` its water over
    its own flour, ``yeast_percent`` its instant yeast over its own flour (0 for a levain).
    """

    kind: PrefermentKind
    flour_kind: str
    flour_percent: float
    hydration_percent: float
    yeast_percent: float = 0.0


@dataclass(frozen=True)
class Formula:
    """A formula as a baker writes it down, with the habits that go with it."""

    name: str
    flours: tuple[FlourShare, ...]
    hydration_percent: float
    """All water over all flour, the preferment's and the extras' water included."""
    salt_percent: float
    shape: Shape
    extras: tuple[Extra, ...] = ()
    preferment: Preferment | None = None
    instant_yeast_percent: float = 0.0
    """Instant yeast put into the final dough."""
    scaling_weight_g: float = 850.0
    pieces: int = 2
    dough_c: float = 25.0
    autolyse_min: int = 30
    note: str = ""

    @property
    def leaven(self) -> str:
        """levain, if any of the rise comes from one; else yeast."""
        return "levain" if self.preferment and self.preferment.kind == "levain" else "yeast"

    def blend(self, column: str) -> float:
        """A property of the flour blend (a numeric column of the flours table), by weight."""
        table = numbers("flours", "kind", column)
        return sum(share.percent * table[share.kind] for share in self.flours) / 100


def flour_name(kind: str) -> str:
    """The name of a flour as a baker says it."""
    return next(row["name"] for row in rows("flours") if row["kind"] == kind)


def check(formula: Formula) -> None:
    """Raise CraftError for whatever cannot be a bread formula; oddities that can be baked are not refused."""
    if not formula.name.strip():
        raise CraftError("name", "The formula has no name.", "Give it a name that you will know it by.")
    if len(formula.name) > 80:
        raise CraftError("name", "The name is longer than 80 letters.", "Shorten it.")
    if not formula.flours:
        raise CraftError("flours", "The formula has no flour.", "Give at least one flour.")
    _check_flours(formula)
    within("hydration_percent", "Hydration", formula.hydration_percent, 45, 120, " %")
    within("salt_percent", "Salt", formula.salt_percent, 0, 5, " % of the flour")
    within("instant_yeast_percent", "Instant yeast", formula.instant_yeast_percent, 0, 5, " % of the flour")
    within("dough_c", "Dough temperature", formula.dough_c, 15, 35, " C")
    within("scaling_weight_g", "Scaling weight", formula.scaling_weight_g, 30, 5000, " g")
    within("pieces", "The number of pieces", formula.pieces, 1, 100, "")
    within("autolyse_min", "The flour and water rest", formula.autolyse_min, 0, 240, " min")
    for index, extra in enumerate(formula.extras):
        within(f"extras.{index}.percent", extra.name, extra.percent, 0, 100, " % of the flour")
    if formula.preferment:
        _check_preferment(formula, formula.preferment)
    elif formula.instant_yeast_percent <= 0:
        raise CraftError("preferment", "Nothing makes this dough rise.", "Give a levain, a preferment or yeast.")


def _check_flours(formula: Formula) -> None:
    known = numbers("flours", "kind", "absorption_percent")
    for index, share in enumerate(formula.flours):
        if share.kind not in known:
            raise CraftError(
                f"flours.{index}.kind", f"'{share.kind}' is not a flour I know.", f"Choose one of {', '.join(known)}."
            )
        within(f"flours.{index}.percent", flour_name(share.kind), share.percent, 0, 100, " % of the flour")
    total = sum(share.percent for share in formula.flours)
    if abs(total - 100) > 0.05:
        raise CraftError(
            "flours", f"The flours add up to {total:g} %, not 100 %.", "Change them until they make 100 %."
        )


def _check_preferment(formula: Formula, preferment: Preferment) -> None:
    within("preferment.flour_percent", "Prefermented flour", preferment.flour_percent, 0.5, 60, " % of the flour")
    within("preferment.hydration_percent", "The preferment's hydration", preferment.hydration_percent, 45, 150, " %")
    within("preferment.yeast_percent", "The preferment's yeast", preferment.yeast_percent, 0, 3, " % of its flour")
    available = sum(share.percent for share in formula.flours if share.kind == preferment.flour_kind)
    if preferment.flour_percent > available + 1e-9:
        raise CraftError(
            "preferment.flour_percent",
            f"The {preferment.kind} wants {preferment.flour_percent:g} % {flour_name(preferment.flour_kind).lower()}"
            f" flour, but the formula has only {available:g} %.",
            "Make the preferment smaller, or give the formula more of that flour.",
        )
    water = preferment.flour_percent * preferment.hydration_percent / 100
    if water > formula.hydration_percent - extras_water_percent(formula):
        raise CraftError(
            "preferment.hydration_percent",
            f"The {preferment.kind} holds more water than the whole formula.",
            "Make the preferment smaller or stiffer, or raise the hydration.",
        )
    if preferment.kind != "levain" and preferment.yeast_percent <= 0:
        raise CraftError(
            "preferment.yeast_percent",
            f"The {preferment.kind} has no yeast.",
            "Give it a pinch: 0.05 to 0.3 % of its flour.",
        )


def extras_water_percent(formula: Formula) -> float:
    """Water that milk, butter and honey bring, percent of all flour."""
    return sum(extra.percent * WATER_IN.get(extra.kind, 0.0) for extra in formula.extras)


USUAL_PREFERMENTS = {
    "levain": Preferment("levain", "strong_white", 10, 100),
    "poolish": Preferment("poolish", "strong_white", 30, 100, 0.1),
    "biga": Preferment("biga", "strong_white", 30, 55, 0.12),
    "sponge": Preferment("sponge", "strong_white", 40, 70, 0.6),
}
"""What a baker begins from when a preferment is added: for a night in the room, but for the fast sponge (practice)."""


def new_formula(name: str) -> Formula:
    """A plain levain loaf to begin writing from."""
    return Formula(name, (FlourShare("strong_white", 100),), 70, 2, "boule", preferment=USUAL_PREFERMENTS["levain"])
