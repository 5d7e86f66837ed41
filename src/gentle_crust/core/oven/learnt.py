"""What finished bakes teach of an oven: how much hotter it runs than its dial says, and how fast loaves take its heat.

Core, colour and weight of a loaf are held against the same bake simulated; by how much each would change if the oven
were hotter or its heat taken up faster says what the difference means. Few and rough measures move little: both begin
at nothing, as unsure as ovens differ, and each measure counts as surely as it can be taken (Bayes' rule for normal
errors, linear about the oven as it is described).
"""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from math import exp

import numpy as np

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.messages import Message, joined, message
from gentle_crust.core.oven.bake import Bake, Baked, bake
from gentle_crust.core.oven.equipment import Oven
from gentle_crust.core.oven.lesson import OVENS_DIFFER_K, PACES_DIFFER, Lesson, OvenLearnt, Seen, Sign, SignTold

SURE: dict[Sign, float] = {"core": 2.0, "colour": 8.0, "loss": 0.012}
"""Standard deviation of a core that was measured (K), of a colour held beside drawn chips, of a loss by weight
(share): the measure's own and what one bake differs from the next (practice)."""
HOTTER_K, FASTER = 10.0, 0.10
"""What the oven is changed by to see what that does: K, and ln pace."""
FAR = 3.0
"""A measure that is further off than so many standard deviations counts as this far off: a slip is no lesson."""
NEAR_K, NEAR_PERCENT = 2.0, 3
"""Less than this is not worth saying."""
SOONEST, LATEST = 0.5, 2.0
"""A bake took between these shares of what was planned, or it was not timed (practice)."""
MOST_K, MOST_PACE = 40.0, 0.35
"""Nothing beyond is believed of an oven that still bakes: K, and ln pace (practice)."""


@dataclass(frozen=True)
class TaughtOven(Oven):
    """An oven as it was described, with the pace that its bakes have taught."""

    taught_pace: float = 1.0

    @property
    def pace(self) -> float:
        """How fast loaves take up its heat, 1 being usual."""
        return self.taught_pace


def as_it_went(question: Bake, minutes: float) -> Bake:
    """The bake as long as it really took: its last stages longer, or cut. Raises CraftError for a time that is so far
    from the bake's that it was not taken at the oven, but pressed late."""
    if not SOONEST * question.minutes <= minutes <= LATEST * question.minutes:
        raise CraftError("baked_min", "oven-bake-not-timed")
    ends = np.cumsum([stage.minutes for stage in question.stages])
    kept = [stage for stage, end in zip(question.stages, ends, strict=True) if end - stage.minutes < minutes - 1]
    before = sum(stage.minutes for stage in kept[:-1])
    return replace(question, stages=(*kept[:-1], replace(kept[-1], minutes=minutes - before)))


def lesson(question: Bake, seen: Seen) -> Lesson:
    """What a bake that went as ``question`` says tells of its oven. Raises CraftError if nothing was measured, or for
    a figure that no loaf has, and for a fired oven: it is loaded as hot as it was measured.

    Parameters
    ----------
    question : what is asked, whole
    seen : what was measured: core (C), colour, weight (g)

    Returns
    -------
    Heat (K) and pace that this bake tells, with how sure.
    """
    if seen.empty:
        raise CraftError("seen", "oven-nothing-measured")
    if question.oven.kind == "wood":
        raise CraftError("oven", "oven-fired-not-learnt")
    if seen.core_c is not None:
        within("core_c", limits.CORE_C, seen.core_c)
    if seen.colour is not None:
        within("colour", limits.COLOUR, seen.colour)
    if seen.loss is not None:
        within("loss", limits.LOSS_SHARE, seen.loss)
    usual = _signs(bake(question), seen)
    oven = question.oven
    hotter = _signs(bake(replace(question, oven=replace(oven, offset_k=oven.offset_k + HOTTER_K))), seen)
    faster = _signs(bake(replace(question, oven=replace(oven, pace=oven.pace * exp(FASTER)))), seen)
    pull, sure = np.zeros(2), np.zeros((2, 2))
    told = []
    for sign, value in _measured(seen):
        off = float(np.clip((value - usual[sign]) / SURE[sign], -FAR, FAR))
        slopes = np.array([(hotter[sign] - usual[sign]) / HOTTER_K, (faster[sign] - usual[sign]) / FASTER]) / SURE[sign]
        pull += slopes * off
        sure += np.outer(slopes, slopes)
        told.append(SignTold(sign, usual[sign], value))
    return Lesson(
        told=tuple(told),
        heat=float(pull[0]),
        pace=float(pull[1]),
        heat_heat=float(sure[0, 0]),
        heat_pace=float(sure[0, 1]),
        pace_pace=float(sure[1, 1]),
        offset_k=question.oven.offset_k,
    )


def learnt(lessons: Iterable[Lesson], offset_k: float = 0.0) -> OvenLearnt:
    """All lessons together, for an oven that is taken to be ``offset_k`` hotter than its dial.

    Parameters
    ----------
    lessons : what each bake told, newest last
    offset_k : by how much the oven is hotter than its dial, K

    Returns
    -------
    Heat (K) and pace with how sure, drawn towards what was believed before.
    """
    pull, bakes = np.zeros(2), 0
    sure = np.diag([OVENS_DIFFER_K**-2, PACES_DIFFER**-2])
    for each in lessons:
        matrix = np.array([[each.heat_heat, each.heat_pace], [each.heat_pace, each.pace_pace]])
        pull += np.array([each.heat, each.pace]) + matrix[:, 0] * (each.offset_k - offset_k)
        sure += matrix
        bakes += 1
    heat, pace = np.linalg.solve(sure, pull)
    spread = np.sqrt(np.diag(np.linalg.inv(sure)))
    return OvenLearnt(
        heat_k=float(np.clip(heat, -MOST_K, MOST_K)),
        heat_sd_k=float(spread[0]),
        pace=exp(float(np.clip(pace, -MOST_PACE, MOST_PACE))),
        pace_sd=float(spread[1]),
        bakes=bakes,
    )


def taught(oven: Oven, found: OvenLearnt) -> Oven:
    """The oven as its bakes have taught it to be; as it is described while there are none.

    Parameters
    ----------
    oven : the oven as its baker describes it: kind, litres (10-2000), watts, offset (K)
    found : what was found before

    Returns
    -------
    The oven with its offset and pace.
    """
    if not found.bakes or oven.kind == "wood":
        return oven
    offset = min(max(oven.offset_k + found.heat_k, limits.OFFSET_K.low), limits.OFFSET_K.high)
    known = {name: getattr(oven, name) for name in Oven.__dataclass_fields__}
    return TaughtOven(**{**known, "offset_k": round(offset, 1)}, taught_pace=round(found.pace, 3))


def said(found: OvenLearnt) -> Message:
    """What was learnt, as a baker would say it.

    Parameters
    ----------
    found : what was found before

    Returns
    -------
    A sentence.
    """
    if not found.bakes:
        return message("oven-learnt-nothing")
    low, high = doubt(found)
    way = "true" if abs(found.heat_k) < NEAR_K else "hotter" if found.heat_k > 0 else "cooler"
    heat = message(
        f"oven-learnt-{way}",
        k=round(abs(found.heat_k)), low=round(low), high=round(high), bakes=found.bakes,
    )  # fmt: skip
    percent = round(100 * (found.pace - 1))
    if abs(percent) < NEAR_PERCENT:
        return heat
    return joined(heat, message("oven-learnt-quicker" if percent > 0 else "oven-learnt-slower", percent=abs(percent)))


def doubt(found: OvenLearnt) -> tuple[float, float]:
    """Between which K the oven's heat lies, eight times of ten.

    Parameters
    ----------
    found : what was found before

    Returns
    -------
    Two K.
    """
    wide = 1.2816 * found.heat_sd_k
    return found.heat_k - wide, found.heat_k + wide


def _measured(seen: Seen) -> list[tuple[Sign, float]]:
    found: list[tuple[Sign, float | None]] = [("core", seen.core_c), ("colour", seen.colour), ("loss", seen.loss)]
    return [(sign, float(value)) for sign, value in found if value is not None]


def _signs(went: Baked, seen: Seen) -> dict[Sign, float]:
    at = went.minutes[-1] if seen.core_min is None else seen.core_min
    return {"core": went.at("core", float(at)), "colour": went.end("colour"), "loss": went.end("loss")}
