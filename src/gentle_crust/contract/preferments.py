"""Preferments and sours: as they are sent and shown."""

from datetime import datetime
from typing import ClassVar, Literal

from gentle_crust.contract.strict import Number, Short, Shown, Strict
from gentle_crust.core import limits
from gentle_crust.core.culture.dosing import Dose, DoseKind, Ripeness
from gentle_crust.core.culture.sour import Sour
from gentle_crust.core.formula.model import YeastKind
from gentle_crust.core.limits import Limit
from gentle_crust.core.plan.shown import Night


class DoseBody(Strict):
    """A preferment wanted; times are the kitchen's wall clock. Without ``cold_from`` and ``cold_to`` no fridge."""

    limits: ClassVar[dict[str, Limit]] = {
        "needed_g": limits.PREFERMENT_NEEDED_G,
        "hydration_percent": limits.PREFERMENT_WATER_PERCENT,
        "mix_c": limits.MIX_C,
    }

    kind: DoseKind
    needed_g: Number
    start: Short
    ripe: Short
    hydration_percent: Number | None = None
    flour_kind: Short = "strong_white"
    yeast_kind: YeastKind = "instant"
    cold_from: Short | None = None
    cold_to: Short | None = None
    mix_c: Number = 22


class LookBody(DoseBody):
    """The same preferment, and what is seen of it now."""

    surface: Literal["domed", "dimpled", "collapsed"] | None = None
    bubbles: Literal["few", "many"] | None = None
    smell: Literal["floury", "sweet", "sharp"] | None = None


class DoseUsual(Shown):
    """What a kind of preferment is usually mixed with and given."""

    kind: DoseKind
    hydration_percent: float
    hours: float


class DoseUsuals(Shown):
    """All kinds."""

    kinds: list[DoseUsual]


class DoseAnswer(Shown):
    """The preferment: its hours count from ``origin``."""

    origin: datetime
    dose: Dose
    nights: list[Night]


class RipenessAnswer(Shown):
    """The verdict."""

    ripeness: Ripeness


class SourBody(Strict):
    """A rye sour wanted at a time of the kitchen's wall clock; with ``culture_id``, as lively as that culture."""

    limits: ClassVar[dict[str, Limit]] = {
        "needed_g": limits.SOUR_NEEDED_G,
    }

    needed_g: Number
    at: Short
    stages: Literal["two", "three"] = "three"
    flour_kind: Literal["rye", "whole_rye"] = "whole_rye"
    culture_id: Short | None = None


class SourAnswer(Shown):
    """The stages by the clock: hours count from ``origin``."""

    origin: datetime
    sour: Sour
    nights: list[Night]
