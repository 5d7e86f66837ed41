"""What a baker asks of a plan, and what the kitchen is like."""

from dataclasses import dataclass
from datetime import datetime
from typing import Literal

from gentle_crust.core import limits
from gentle_crust.core.clock import Nights, Room
from gentle_crust.core.errors import CraftError, Unreadable, within
from gentle_crust.core.fermentation.targets import SCHOOLS, School
from gentle_crust.core.fermentation.uncertainty import Vigour, of_dough, unknown
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.leaven.starter import Starter
from gentle_crust.core.limits import Limit
from gentle_crust.core.oven.equipment import Oven, Vessel


@dataclass(frozen=True)
class Kitchen:
    """A kitchen's habits: temperatures C, sleep, zone, tap water and oven."""

    zone: str
    room: Room
    nights: Nights
    tap_c: float
    oven: Oven
    altitude_m: float = 0.0
    hot_tap_c: float | None = None
    scale_g: float = 1.0
    """The scale's step."""
    steam: tuple[str, ...] = ("hot_pan", "mist_loaf")
    """The ways to steam that the baker has."""
    learnt_k: tuple[tuple[str, float], ...] = ()
    """What ways of mixing add to a dough here, K, where it was measured."""


@dataclass(frozen=True)
class Wish:
    """A formula wanted by a time. ``ready`` is UTC; ``ready_means`` out of the oven, or cool enough to cut.

    ``culture`` is lively (fed within a day) or hungry (needs one feed before the levain), if no ``starter`` is known.
    """

    formula: Formula
    pieces: int
    scaling_weight_g: float
    ready: datetime
    ready_means: Literal["out", "cut"]
    proof: Literal["room", "cold"]
    vessel: Vessel
    dough_c: float
    culture: Literal["lively", "hungry"] = "lively"
    mixing: str = "folds"
    fridge_days: int = 0
    """Days that a cold proof lasts beyond one night."""
    school: School = "by_dough"
    """How far bulk goes."""
    folds: int | None = None
    """Sets of folds, if not as many as the dough asks for."""
    later_pieces: int = 0
    """Pieces that are baked ``later_days`` after the others, from the fridge."""
    later_days: int = 1
    stand_c: float | None = None
    """A warm or cool place in which levain, bulk and proof stand instead of the kitchen, C."""
    starter: Starter | None = None
    """The culture that the levain is built from; without one, ``culture`` says how it is."""

    @property
    def belief(self) -> Vigour:
        """How sure the leaven's activity is, its likely one being in the dough's liveliness."""
        return unknown() if self.starter is None else of_dough(self.starter.vigour)


def check_wish(wish: Wish, kitchen: Kitchen) -> None:
    """Raise CraftError for a value that no kitchen has."""
    within("pieces", limits.PIECES, wish.pieces)
    within("scaling_weight_g", limits.SCALING_WEIGHT_G, wish.scaling_weight_g)
    within("dough_c", limits.DOUGH_C, wish.dough_c)
    within("room_day_c", limits.ROOM_DAY_C, kitchen.room.day_c)
    within("room_night_c", limits.ROOM_NIGHT_C, kitchen.room.night_c)
    within("fridge_c", limits.FRIDGE_C, kitchen.room.fridge_c)
    within("tap_c", limits.TAP_C, kitchen.tap_c)
    within("later_pieces", Limit("pieces-kept-for-another-day", 0, wish.pieces - 1, ""), wish.later_pieces)
    within("later_days", limits.LATER_DAYS, wish.later_days)
    if wish.stand_c is not None:
        within("stand_c", limits.STAND_C, wish.stand_c)
    within("fridge_days", limits.FRIDGE_DAYS, wish.fridge_days)
    if wish.folds is not None:
        within("folds", limits.FOLDS, wish.folds)
    if wish.school != "by_dough" and wish.school not in SCHOOLS:
        raise Unreadable("school", "scheduling-school-unknown", school=wish.school, names=tuple(SCHOOLS))
    if kitchen.nights.length_h > 14:
        raise CraftError("sleep", "scheduling-sleep-length")
