"""Marks on the baker's own vessels: where a rise stands on a box or a sample jar."""

from dataclasses import dataclass
from math import pi

from gentle_crust.core import limits
from gentle_crust.core.errors import within
from gentle_crust.core.messages import Message, message
from gentle_crust.core.tables import constant

SAMPLE_G = 40.0
"""Dough in a sample jar, if nothing else is said (practice)."""


@dataclass(frozen=True)
class Mark:
    """Where to look: the vessel, the dough's start and target in its unit (ml or mm), and a sentence."""

    vessel: str
    unit: str
    start: float
    target: float
    fits: bool
    sentence: Message


def _volume_ml(dough_g: float) -> float:
    return dough_g / constant("fermentation", "gas", "dough_density_g_per_ml")


def on_box(dough_g: float, rise: float, box_l: float) -> Mark:
    """The line on a straight-sided box of ``box_l`` litres at which ``dough_g`` has risen by ``rise`` (fraction).

    Parameters
    ----------
    dough_g : dough, g
    rise : growth over the gas-free volume, a fraction, 0-4
    box_l : volume of the box, l, .2-60

    Returns
    -------
    The line, ml, and whether the box is too small.
    """
    within("box_l", limits.BOX_L, box_l)
    start = _volume_ml(dough_g)
    target = start * (1 + rise)
    fits = target <= 950 * box_l
    line = message("mark-box", percent=round(100 * rise), box_l=box_l, litres=round(target / 1000, 1))
    if fits:
        sentence = message("mark-box-starts", line=line, start=round(start / 1000, 1))
    else:
        sentence = message("mark-box-over", line=line)
    return Mark("box", "ml", start, target, fits, sentence)


def in_bowl(dough_g: float, rise: float, bowl_l: float) -> Mark | None:
    """A bowl of ``bowl_l`` litres that ``dough_g`` would run over at ``rise`` (fraction); None if it holds it.

    Parameters
    ----------
    dough_g : dough, g
    rise : growth over the gas-free volume, a fraction, 0-4
    bowl_l : volume of the bowl, l

    Returns
    -------
    The mark, or none.
    """
    within("bowl_l", limits.BOWL_L, bowl_l)
    start = _volume_ml(dough_g)
    target = start * (1 + rise)
    if target <= 950 * bowl_l:
        return None
    sentence = message("mark-bowl-too-small", bowl_l=bowl_l, percent=round(100 * rise), litres=round(target / 1000, 1))
    return Mark("bowl", "ml", start, target, False, sentence)


def in_jar(rise: float, diameter_mm: float, sample_g: float = SAMPLE_G) -> Mark:
    """Height in a straight jar of an inner ``diameter_mm`` at which a sample of ``sample_g`` has risen by ``rise``.

    Parameters
    ----------
    rise : growth over the gas-free volume, a fraction, 0-4
    diameter_mm : inner diameter of the jar, mm, 20-200
    sample_g : dough in the jar, g

    Returns
    -------
    The height, mm.
    """
    within("jar_mm", limits.JAR_MM, diameter_mm)
    within("sample_g", limits.SAMPLE_G, sample_g)
    start = 1000 * _volume_ml(sample_g) / (pi * diameter_mm**2 / 4)
    target = start * (1 + rise)
    sentence = message(
        "mark-jar",
        sample=sample_g,
        wide=diameter_mm,
        start=round(start),
        target=round(target),
        percent=round(100 * rise),
    )
    return Mark("jar", "mm", start, target, True, sentence)
