"""Bake order when the loaves do not fit at once: when each load goes in, and what waiting does to its proof."""

from dataclasses import dataclass
from math import ceil

import numpy as np

from gentle_crust.core.fermentation.rates import bakers_yeast_gassing, levain_gas_per_h
from gentle_crust.core.messages import NOTHING, Message, message
from gentle_crust.core.oven.profile import RECOVERY_MIN


@dataclass(frozen=True)
class Load:
    """One load: its number, pieces, minutes from the first loading until it goes in and comes out."""

    number: int
    pieces: int
    in_min: int
    out_min: int
    waits: Message
    """What waiting does to its proof; nothing for the first."""


def loads(
    pieces: int, per_load: int, minutes: int, room_c: float, fridge_c: float, levain: bool, cold: bool
) -> tuple[Load, ...]:
    """The order of loads. ``levain``: raised by a culture, else by yeast; ``cold``: they come from the fridge.

    Parameters
    ----------
    pieces : number of pieces, 1-400
    per_load : pieces at once
    minutes : minutes
    room_c : temperature of the kitchen, C, 5-40
    fridge_c : temperature of the fridge, C, 0-10
    levain : whether a culture raises it
    cold : whether it comes straight from the fridge

    Returns
    -------
    Each load with its pieces and minute.
    """
    gas = levain_gas_per_h if levain else bakers_yeast_gassing
    share = float(gas(np.array([fridge_c]))[0] / max(float(gas(np.array([room_c]))[0]), 1e-6))
    found = []
    for number in range(ceil(pieces / per_load)):
        at = number * (minutes + RECOVERY_MIN)
        of_these = min(per_load, pieces - number * per_load)
        found.append(Load(number + 1, of_these, at, at + minutes, _waits(at, share, cold) if number else NOTHING))
    return tuple(found)


def _waits(minutes: int, share: float, cold: bool) -> Message:
    in_cold = max(round(minutes * share), 1)
    if cold:
        return message("load-stays-cold", minutes=minutes, in_cold=in_cold)
    return message("load-waits", minutes=minutes, in_cold=in_cold)
