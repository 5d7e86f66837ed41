"""A filled bake as a plan shows it."""

from functools import lru_cache
from math import ceil

from gentle_crust.core.course.baking import FilledBake
from gentle_crust.core.course.method import HeatStage
from gentle_crust.core.messages import message
from gentle_crust.core.oven.bake import Bake, bake
from gentle_crust.core.oven.profile import BakeProfile, BakeStage
from gentle_crust.core.oven.staged import CoreAt, core_line
from gentle_crust.core.oven.steaming import steaming


def bake_shown(filled: FilledBake, pieces: int, cool_min: float) -> BakeProfile:
    """The whole bake of one load of ``pieces``, and how many loads they need."""
    whole = filled.preheat.minutes
    return BakeProfile(
        preheat_min=round(whole),
        preheat_c=filled.preheat.setpoint_c,
        stages=tuple(
            BakeStage(message(_called(covered, filled.lidded)), round(minutes), round(heat), covered)
            for heat, covered, minutes in _alike(filled.stages)
        ),
        lidded=filled.lidded,
        cold_start=filled.heated == "none",
        core_done_c=filled.core_done_c,
        cool_min=round(cool_min),
        loads=ceil(pieces / filled.per_load),
        pieces_per_load=filled.per_load,
        short_k=filled.short_k,
        core=_core(filled.question),
        last=filled.last,
        steam=steaming(filled.steam, round(whole), filled.vent_min, filled.minutes),
    )


def _alike(stages: tuple[HeatStage, ...]) -> list[tuple[float, bool, float]]:
    """Set point, whether it is covered, and minutes: stages that differ in what hands do, and in no heat, are one."""
    found: list[tuple[float, bool, float]] = []
    for each in stages:
        if found and found[-1][:2] == (each.setpoint_c, each.covered):
            found[-1] = (*found[-1][:2], found[-1][2] + each.minutes)
        else:
            found.append((each.setpoint_c, each.covered, each.minutes))
    return found


def _called(covered: bool, lidded: bool) -> str:
    if lidded:
        return "shown-bake-lid-on" if covered else "shown-bake-lid-off"
    return "shown-bake-steam" if covered else "shown-bake-dry"


@lru_cache(maxsize=128)
def _core(question: Bake) -> tuple[CoreAt, ...]:
    return core_line(bake(question), question.minutes)
