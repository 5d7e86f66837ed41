"""What a thermometer left in a dough says, and when it is not to be believed."""

from dataclasses import dataclass
from statistics import median
from typing import Literal

from gentle_crust.core.messages import NOTHING, Message, message

FASTEST_K_PER_H = 20.0
"""No dough of a loaf's size changes faster than this, a move to another place included (practice)."""
LOST_H = 0.25
"""Silent for so long, a probe is lost (practice)."""
STEADY_K, STEADY_H = 0.6, 0.5
"""A probe that stays within this for so long, while the dough should be changing, lies in the open (practice)."""
OFF_K = 5.0
WINDOW = 5
DoubtCode = Literal["lost", "open", "jump"]


@dataclass(frozen=True)
class Sample:
    """One figure of a probe: hours after mixing, C."""

    at_h: float
    celsius: float


@dataclass(frozen=True)
class ProbeSays:
    """A probe's word on the dough: the temperature now with its noise taken out, and a question if there is doubt.

    ``trusted``: samples that tell of the dough, one in a quarter of an hour.
    """

    celsius: float | None
    at_h: float | None
    doubt: DoubtCode | None
    sentence: Message
    trusted: tuple[Sample, ...]


def smoothed(samples: tuple[Sample, ...]) -> tuple[Sample, ...]:
    """Samples without jumps and noise: each the median of itself and those just before it.

    Parameters
    ----------
    samples : temperatures (C) by hour (h), in order

    Returns
    -------
    As many samples, smoothed.
    """
    return tuple(
        Sample(each.at_h, median(one.celsius for one in samples[max(0, index - WINDOW + 1) : index + 1]))
        for index, each in enumerate(samples)
    )


def listen(samples: tuple[Sample, ...], foretold_c: float, foretold_was_c: float, now_h: float) -> ProbeSays:
    """Weigh a probe's samples (in order) against the forecast: ``foretold_c`` now, ``foretold_was_c`` half an hour ago.

    A probe far from a dough that should be cooling or warming, and steady itself, lies on the table: it is asked
    about, and does not count.

    Parameters
    ----------
    samples : temperatures (C) by hour (h), in order
    foretold_c : temperature foretold for now, C
    foretold_was_c : temperature foretold for half an hour ago, C
    now_h : this moment, h

    Returns
    -------
    What the probe says of the room and the dough, K and C.
    """
    if not samples:
        return ProbeSays(None, None, None, NOTHING, ())
    smooth = smoothed(samples)
    last = smooth[-1]
    trusted = _quarterly(smooth)
    if now_h - last.at_h > LOST_H:
        minutes = round(60 * (now_h - last.at_h))
        return ProbeSays(last.celsius, last.at_h, "lost", message("probe-lost", minutes=minutes), trusted)
    recent = [each.celsius for each in smooth if last.at_h - each.at_h <= STEADY_H]
    long_enough = last.at_h - smooth[0].at_h >= STEADY_H * 0.8
    steady = max(recent) - min(recent) <= STEADY_K
    off = last.celsius - foretold_c
    if long_enough and steady and abs(off) > OFF_K:
        code = "probe-somewhere-warmer" if off > 0 else "probe-somewhere-colder"
        sentence = message(code, says=round(last.celsius, 1), foretold=round(foretold_c, 1))
        return ProbeSays(last.celsius, last.at_h, "open", sentence, ())
    if _jumped(smooth, foretold_c - foretold_was_c):
        sentence = message("probe-jumped")
        return ProbeSays(last.celsius, last.at_h, "jump", sentence, trusted[:-1])
    return ProbeSays(last.celsius, last.at_h, None, NOTHING, trusted)


def _jumped(smooth: tuple[Sample, ...], foretold_k: float) -> bool:
    """Whether the last half hour changed faster than a dough can, and than is foretold of it."""
    last = smooth[-1]
    near = [each for each in smooth if last.at_h - each.at_h <= STEADY_H]
    hours = last.at_h - near[0].at_h
    change = abs(last.celsius - near[0].celsius)
    return hours > 0 and change > 3 + FASTEST_K_PER_H * hours / 2 + abs(foretold_k)


def _quarterly(samples: tuple[Sample, ...]) -> tuple[Sample, ...]:
    """The last sample of each quarter of an hour."""
    found: dict[int, Sample] = {}
    for each in samples:
        found[int(each.at_h // 0.25)] = each
    return tuple(found.values())
