"""An oven learnt from what was measured: how strong, how far off its dial, which side is hot."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.messages import Message, message
from gentle_crust.core.oven.equipment import Side
from gentle_crust.core.oven.staged import power_of


@dataclass(frozen=True)
class Learnt:
    """What a calibration found; None or empty: not measured. Sentences say how."""

    heater_w: float | None
    heat_up_min: float | None
    offset_k: float | None
    hot_side: Side
    said: tuple[Message, ...]


def calibrate(
    kind: str,
    volume_l: float,
    heat_up: Sequence[tuple[float, float]] = (),
    dial: Sequence[tuple[float, float]] = (),
    browned: Side = "",
) -> Learnt:
    """Learn from an empty heat-up (minutes, thermometer C), dial against thermometer (C, C), and the browner side.

    Parameters
    ----------
    kind : kind of oven, vessel or steam, of the tables
    volume_l : volume of the oven, l, 10-2000
    heat_up : minutes and thermometer (C) of an empty heat-up
    dial : dial and thermometer, C each
    browned : which side is browner

    Returns
    -------
    Watts, offset (K) and browner side, with how sure they are.
    """
    said: list[Message] = []
    minutes = watts = offset = None
    if heat_up:
        minutes = _to_225(heat_up)
        watts = power_of(kind, volume_l, minutes)
        said.append(message("learnt-heat-up", minutes=round(minutes), watts=round(watts)))
    if dial:
        for index, (asked, read) in enumerate(dial):
            within(f"dial[{index}].read_c", limits.DIAL_READ_C, read)
            within(f"dial[{index}].set_c", limits.DIAL_SET_C, asked)
        offset = round(float(np.median([read - asked for asked, read in dial])), 0)
        within("dial", limits.OFFSET_K, offset, message("limit-offset-of-the-dial"))
        code = "learnt-dial-true" if not offset else "learnt-dial-hotter" if offset > 0 else "learnt-dial-cooler"
        said.append(message(code, k=abs(offset)) if offset else message(code))
    if browned:
        said.append(message(f"learnt-hotter-{browned}"))
    return Learnt(watts, minutes, offset, browned, tuple(said))


def _to_225(heat_up: Sequence[tuple[float, float]]) -> float:
    rows = sorted(heat_up)
    for index, (minute, read) in enumerate(rows):
        within(f"heat_up[{index}].min", limits.HEAT_UP_READ_MIN, minute)
        within(f"heat_up[{index}].c", limits.HEAT_UP_READ_C, read)
    at, reads = np.array(rows).T
    if len(rows) < 2 or reads[-1] < 150 or (np.diff(reads) < -15).any():
        raise CraftError("heat_up", "oven-heat-up-unreadable")
    if reads[-1] >= 225:
        return float(np.interp(225.0, reads, at))
    # The air nears its end like a bucket filling: carry the last slope on, slowing by the way still to go.
    slope = (reads[-1] - reads[-2]) / max(at[-1] - at[-2], 0.5)
    return float(at[-1] + (225.0 - reads[-1]) / max(slope * 0.8, 0.5))
