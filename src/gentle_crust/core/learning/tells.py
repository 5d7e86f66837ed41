"""What one bake tells of its kitchen: figures that were read, held against what was forecast for them."""

from dataclasses import dataclass
from math import exp, hypot, log

from gentle_crust.core.errors import CraftError
from gentle_crust.core.learning.belief import Tell

FASTER_PER_K = 0.085
"""By how much the logarithm of a dough's pace grows with a kelvin between 18 and 28 C (practice)."""
EYE_RISE, LINE_RISE = 0.06, 0.025
"""Standard deviation of a rise that was read by eye, and on a straight-sided box or jar (practice)."""
THERMOMETER_K = 0.4
ADAPTS_H = 2.2
"""Hours in which a covered dough comes two thirds of the way to its room (practice)."""
LEAST_RISE, SOONEST_H = 0.12, 0.75
"""A rise below this, or read sooner, tells nothing of the pace."""
LEAST_ANSWER = 0.35
"""A dough that has come less of the way to its room tells nothing of it."""
COLD_H = 6.0
"""A dough that has stood so long in the fridge is as cold as the fridge."""
PACE_WITHIN, ROOM_WITHIN_K = 1.2, 8.0
"""What is further off than this is a slip of the pen: nothing is learnt of it (ln, K)."""


@dataclass(frozen=True)
class RiseRead:
    """A rise that was read, hours from mixing, and the hour at which it was due; ``slope``: rise an hour there.

    ``warmer_k``: by how much the dough was warmer than forecast over that time; None if nobody read it.
    """

    hours: float
    due_h: float
    slope: float
    rise: float
    by_eye: bool = True
    warmer_k: float | None = None


def pace_told(read: RiseRead) -> tuple[float, float] | None:
    """What a rise tells of the pace of a leaven.

    Parameters
    ----------
    read : the rise, when it was read and when it was due

    Returns
    -------
    The logarithm of how much faster than forecast it works, its warmth aside, and how surely (a standard deviation);
    None of a reading that tells nothing.
    """
    if read.rise < LEAST_RISE or read.hours < SOONEST_H or read.due_h <= 0 or read.slope <= 0:
        return None
    value = log(read.due_h / read.hours)
    error = (EYE_RISE if read.by_eye else LINE_RISE) / (read.slope * read.hours)
    if read.warmer_k is None:
        error = hypot(error, FASTER_PER_K * 1.2)
    else:
        value -= FASTER_PER_K * read.warmer_k
        error = hypot(error, FASTER_PER_K * THERMOMETER_K)
    return (value, error) if abs(value) <= PACE_WITHIN else None


def room_told(
    hours: float, read_c: float, foretold_c: float, began_warmer_k: float = 0.0
) -> tuple[float, float] | None:
    """What a dough's temperature tells of its room.

    Parameters
    ----------
    hours : since mixing, h
    read_c : what the thermometer showed, C
    foretold_c : what was foretold for that time, C
    began_warmer_k : by how much it left the bowl warmer than planned, K

    Returns
    -------
    By how many K the room is warmer than it is said to be, and how surely; None where it tells nothing.
    """
    answers = 1 - exp(-hours / ADAPTS_H)
    if answers < LEAST_ANSWER:
        return None
    value = (read_c - foretold_c - began_warmer_k * (1 - answers)) / answers
    return (value, 1.5 * THERMOMETER_K / answers) if abs(value) <= ROOM_WITHIN_K else None


def fridge_told(hours_in_it: float, read_c: float, foretold_c: float) -> tuple[float, float] | None:
    """What a dough's temperature in the fridge tells of it.

    Parameters
    ----------
    hours_in_it : hours that it has stood there, h
    read_c, foretold_c : what was read and foretold, C

    Returns
    -------
    By how many K the fridge is warmer than it is said to be, and how surely; None too soon.
    """
    if hours_in_it < COLD_H or abs(read_c - foretold_c) > ROOM_WITHIN_K:
        return None
    return read_c - foretold_c, 1.2 * THERMOMETER_K


SLIPS: dict[str, float] = {"under": -0.09, "right": 0.0, "over": 0.09}
"""By how much the share at loading is off that a loaf was judged ready at, by how it came out (practice)."""
SLIP_SD = 0.06


def finger_told(verdict: str, how: str) -> tuple[float, float] | None:
    """What a loaf that was judged ready, and came out so, tells of whoever judged it.

    Parameters
    ----------
    verdict : the last verdict on its proof: early, nearly, ready, late, over
    how : how it came out: under, right, over

    Returns
    -------
    By how much the share of its greatest volume is off at which this baker says ready (early: negative), and how
    surely; None where it was not called ready.
    """
    if verdict != "ready" or how not in SLIPS:
        return None
    return SLIPS[how], SLIP_SD


def share_told(before_g: float, after_g: float, most: float, sd: float) -> tuple[float, float] | None:
    """What two weights tell of a loss.

    Parameters
    ----------
    before_g, after_g : weight before and after, g
    most : a loss beyond this, or a gain, is a slip of the pen
    sd : of one weighing, a share

    Returns
    -------
    The loss as a share, and how surely; None of what cannot be.
    """
    if before_g <= 0:
        raise CraftError("before_g", "limit-bowl")
    loss = 1 - after_g / before_g
    return (loss, sd) if -0.005 <= loss <= most else None


BOWL_SD, MOST_BOWL, LOAF_SD, MOST_LOAF = 0.004, 0.08, 0.006, 0.4
"""Of one weighing, a share; and the greatest loss in bowl and oven that is none of the pen (practice)."""
WATER_SD, LATE_SD_MIN, MOST_LATE_MIN = 0.8, 5.0, 240.0


def bowl_told(mixed_g: float, divided_g: float) -> tuple[float, float] | None:
    """What stays in the bowl, by the weight of the dough as it was mixed and as it was divided, g: see share_told."""
    return share_told(mixed_g, divided_g, MOST_BOWL, BOWL_SD)


def loaf_told(piece_g: float, out_g: float) -> tuple[float, float] | None:
    """What a loaf lost in the oven, by its weight before and after, g: see share_told."""
    return share_told(piece_g, out_g, MOST_LOAF, LOAF_SD)


def water_told(more_g: float, flour_g: float) -> tuple[float, float] | None:
    """What a dough that got more water until it felt right tells of its flour.

    Parameters
    ----------
    more_g : water beyond the recipe (less: negative), g
    flour_g : its flour, g

    Returns
    -------
    Points of water in a hundred of flour, and how surely; None without flour.
    """
    return (100 * more_g / flour_g, WATER_SD) if flour_g > 0 else None


def late_told(late_min: float) -> tuple[float, float] | None:
    """What the minutes tell by which mixing was later than planned.

    Parameters
    ----------
    late_min : minutes late (early: negative)

    Returns
    -------
    Minutes, and how surely; None of a bake that was put off.
    """
    return (round(late_min, 1), LATE_SD_MIN) if abs(late_min) <= MOST_LATE_MIN else None


def beside_known(told: tuple[float, float], known: float) -> tuple[float, float]:
    """What was told of a forecast that had been moved already, as if it had not been.

    Parameters
    ----------
    told : value and standard deviation
    known : by what the forecast had been moved, in the value's unit

    Returns
    -------
    Value and standard deviation.
    """
    return told[0] + known, told[1]


def as_tell(told: tuple[float, float], day: float, season: int = 0, bake: str = "", known: float = 0.0) -> Tell:
    """What was told as a tell; ``known``: what its forecast had already been moved by.

    Parameters
    ----------
    told : value and standard deviation
    day : days from any origin
    season : quarter of the year, 0-3
    bake : whose it is
    known : what was learnt before it, and stood in its forecast

    Returns
    -------
    The tell.
    """
    return Tell(day, *beside_known(told, known), season, bake)
