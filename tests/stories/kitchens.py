"""Kitchens lived in: each with a leaven, a room and an eye of its own, of which its program knows nothing at first.

What a bake truly does is carried by the engine with the kitchen's own truth, and errs from bake to bake; what is read
of it is read with errors. The program sees the readings alone.
"""

from dataclasses import dataclass
from functools import cache

import numpy as np

from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.dough import Dough, FlourPart, makeup
from gentle_crust.core.fermentation.engine import Leg, begin, handled, run
from gentle_crust.core.fermentation.uncertainty import Vigour, activities, unknown
from gentle_crust.core.learning.belief import believed
from gentle_crust.core.learning.learnt import PRIORS
from gentle_crust.core.learning.tells import RiseRead, as_tell, pace_told, room_told

WANTED, SHARE, DOUGH_C, ROOM_C = 0.6, 0.72, 25.0, 22.0
DAYS_APART = 6.0


@cache
def _dough():
    return makeup(Dough((FlourPart("strong_white", 850.0),), 600.0, 20.0, levain_g=300.0))


@dataclass(frozen=True)
class Truth:
    """How a kitchen really is: ln of its leaven's pace, K by which its room is warmer than said, how its eye errs."""

    pace: float
    room_k: float
    eye: float


@dataclass(frozen=True)
class Foreseen:
    """A bake: by how many minutes its loaf was ready later than forecast, and whether that lay in the band."""

    miss_min: float
    inside: bool
    believed_pace: float


def _way(made, dough_c, room_c, factors):
    """Hours until the loaf is ready by each activity; and the course of its bulk."""
    holds = greatest_rise(made, "bulk")
    bulk = run(
        made, begin(made, dough_c, len(factors)), Leg(30.0, np.array([room_c]), "covered_bowl", 900.0, holds), factors
    )
    ends = bulk.hours_to(WANTED)
    free = greatest_rise(made, "free_standing")
    found = np.full(len(factors), np.nan)
    middle = ends[len(ends) // 2]
    if np.isnan(middle):
        return found, bulk, ends
    # The proof after bulk: each activity from its own end of bulk, by its own pace.
    for place, (end, factor) in enumerate(zip(ends, factors, strict=True)):
        if np.isnan(end):
            continue
        one = np.array([factor])
        leg = Leg(float(end), np.array([room_c]), "covered_bowl", 900.0, holds)
        state = handled(made, run(made, begin(made, dough_c, 1), leg, one).end(), "gentle_shape")
        proof = run(made, state, Leg(12.0, np.array([room_c]), "banneton", 900.0, free), one)
        found[place] = end + float(proof.hours_to(SHARE * (1 + free) - 1)[0])
    return found, bulk, ends


FEW = (0.1, 0.5, 0.9)


def lived(seed: int, bakes: int, jump_at: int | None = None, jump: float = 0.4, learns: bool = True) -> list[Foreseen]:
    """So many bakes in one kitchen; before the one at ``jump_at`` its leaven changes for good, by ln ``jump``."""
    rng = np.random.default_rng([seed, 17])
    truth = Truth(rng.normal(0, 0.30), rng.normal(0, 1.3), rng.normal(0.03, 0.03))
    pace, told_pace, told_room, found = truth.pace, [], [], []
    for number in range(bakes):
        if number == jump_at:
            pace += jump if pace < 0 else -jump
        pace += rng.normal(0, 0.02)
        day = DAYS_APART * number
        known = believed(told_pace, PRIORS["levain"], day=day) if learns else believed([], PRIORS["levain"])
        room = believed(told_room, PRIORS["room"], day=day) if learns else believed([], PRIORS["room"])
        belief = unknown() if not known.tells else Vigour(1.0, float(np.hypot(known.sd, PRIORS["levain"].scatter)))
        factors = _three(belief) * np.exp(known.mean)
        forecast, bulk, _ = _way(_dough(), DOUGH_C, ROOM_C + room.mean, factors)
        true_room = ROOM_C + truth.room_k + rng.normal(0, 0.5)
        true_dough = DOUGH_C + rng.normal(0, 0.5)
        factor = np.array([np.exp(pace + rng.normal(0, 0.10))])
        real, went, _ = _way(_dough(), true_dough, true_room, factor)
        if np.isnan(real[0]) or np.isnan(forecast[1]):
            continue
        low, high = float(np.nan_to_num(forecast[2], nan=99)), float(np.nan_to_num(forecast[0], nan=99))
        miss = 60 * (float(real[0]) - float(forecast[1]))
        found.append(Foreseen(miss, low <= real[0] <= high, known.mean))
        at = 0.85 * float(went.hours_to(WANTED)[0])
        rise = float(np.interp(at, went.hours, went.rise[:, 0])) + truth.eye + rng.normal(0, 0.04)
        likely = np.maximum.accumulate(bulk.rise[:, 1])
        due = float(np.interp(rise, likely, bulk.hours))
        slope = float((np.interp(due + 0.1, bulk.hours, likely) - np.interp(due - 0.1, bulk.hours, likely)) / 0.2)
        warm = float(np.interp(at, went.hours, went.dough_c)) + rng.normal(0, 0.3)
        began = true_dough + rng.normal(0, 0.3) - DOUGH_C
        off = warm - float(np.interp(at, bulk.hours, bulk.dough_c))
        told = pace_told(RiseRead(at, due, slope, rise, True, (began + off) / 2))
        if told:
            told_pace.append(as_tell(told, day, 0, str(number), known.mean))
        if told := room_told(at, warm, float(np.interp(at, bulk.hours, bulk.dough_c)), began):
            told_room.append(as_tell(told, day, 0, str(number), room.mean))
    return found


def _three(belief):
    """The activities at which a forecast's band begins, is likeliest and ends."""
    every = activities(belief)
    return np.array([every[round(part * (len(every) - 1))] for part in FEW])
