"""Water, poured waters and the yeast test: as they are sent and shown."""

from dataclasses import dataclass
from datetime import datetime
from typing import Annotated, ClassVar, Literal

from pydantic import Field

from gentle_crust.contract.strict import Number, Short, Shown, Strict
from gentle_crust.core import limits
from gentle_crust.core.formula.yeast_test import Foam, YeastVerdict
from gentle_crust.core.limits import Limit
from gentle_crust.core.water.advice import Advice
from gentle_crust.core.water.friction import Friction
from gentle_crust.core.water.mixing import Mixing, Speed
from gentle_crust.core.water.plan import Poured, WaterAnswer


@dataclass(frozen=True)
class YeastTest:
    """The last test of dry yeast: when it was begun, and what it showed, if it was read."""

    begun_at: datetime
    verdict: YeastVerdict | None


class BowlBody(Strict):
    """The bowl it is mixed in."""

    limits: ClassVar[dict[str, Limit]] = {
        "g": limits.BOWL_G,
        "c": limits.BOWL_C,
    }

    material: Literal["steel", "glass", "ceramic", "plastic"]
    g: Number
    c: Number


class BatchBody(Strict):
    """A formula's dough at the mixing bowl; temperatures C. Pieces and weight are the formula's unless given."""

    formula_id: Short
    version: int | None = None
    pieces: int | None = None
    scaling_weight_g: Number | None = None
    flour_c: Number
    room_c: Number
    levain_c: Number
    mixing: Mixing
    mixing_min: Number | None = None
    speed: Speed = "usual"
    bowl: BowlBody | None = None


class WaterBody(BatchBody):
    """How warm the water must be, and how to draw it."""

    limits: ClassVar[dict[str, Limit]] = {
        "mixing_min": limits.MIXING_MIN,
        "target_dough_c": limits.MEASURED_DOUGH_C,
        "tap_c": limits.POURED_TAP_C,
        "ice_c": limits.ICE_C,
        "altitude_m": limits.ALTITUDE_M,
    }

    target_dough_c: Number
    tap_c: Number
    hot_tap_c: Number | None = None
    ice_c: Number = 0
    altitude_m: Number = 0


class WaterPanelAnswer(Shown):
    """The water, and what it rests on."""

    water: WaterAnswer
    water_g: float
    kettle_c: float
    friction: Friction
    mixing_min: float
    """Minutes that this way of mixing is usually done for."""
    has_speed: bool
    """Whether it is mixed by a motor."""
    mixed_k: float
    """What mixing so adds or takes in all, K, the kitchen's warmth included."""
    advice: list[Advice]


class PourBody(Strict):
    """Grams of water at a temperature, or of ice at 0 C or below."""

    limits: ClassVar[dict[str, Limit]] = {
        "g": limits.INGREDIENT_G,
    }

    g: Number
    c: Number
    ice: bool = False


class PouredBody(BatchBody):
    """The waters that were poured."""

    waters: Annotated[list[PourBody], Field(min_length=1, max_length=12)]


class PouredAnswer(Shown):
    """The dough that these waters give."""

    poured: Poured
    friction: Friction


class MeasuredBody(PouredBody):
    """The same, once the dough was measured."""

    dough_c: Number


class FrictionsAnswer(Shown):
    """What each way of mixing adds to a dough here."""

    frictions: list[Friction]


class YeastTestAnswer(Shown):
    """What to stir together, and the last test."""

    water_g: float
    water_c: float
    sugar_g: float
    yeast_g: float
    test: YeastTest | None


class FoamBody(Strict):
    """What the glass shows, and after how many minutes."""

    foam: Foam
    minutes: Number
