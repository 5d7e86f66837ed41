"""A bake as JSON: the question, and the answer a minute at a time."""

from dataclasses import replace
from typing import Annotated, Any, Literal

import numpy as np
from pydantic import Field, StrictBool

from gentle_crust.contract.strict import Number, Strict
from gentle_crust.core.errors import CraftError
from gentle_crust.core.oven.at_once import at_once, in_loads
from gentle_crust.core.oven.bake import Bake, Baked, bake
from gentle_crust.core.oven.hazards import hazards
from gentle_crust.core.oven.kit import Fired, InVessel, OvenHeat, OvenKind, OvenStage, Preheat, Preheated, Steam
from gentle_crust.core.oven.loaf import Loaf, checked
from gentle_crust.core.oven.profile import RECOVERY_MIN
from gentle_crust.text.render import say

_CORES = (90, 93, 96)


class LoafInput(Strict):
    """Dough per piece, and how many pieces go in together; sugar, milk and malt are shares of the flour (0-1)."""

    dough_g: Number
    hydration: Number = 0.72
    start_c: Number = 22.0
    shape: str = "boule"
    pieces: int = 1
    sugar: Number = 0.0
    milk: Number = 0.0
    malt: Number = 0.0
    cold_hours: Number = 0.0

    def loaf(self) -> Loaf:
        """As the core takes it."""
        return Loaf(**self.model_dump())


class VesselInput(Strict):
    """A vessel; `preheated`: whether it was, with the oven; `"lid"`: its lid only; `"hob"`: its base on the hob."""

    kind: str
    preheated: StrictBool | Literal["lid", "hob"] = True
    base_kg: Number | None = None
    lid_kg: Number | None = None
    inside_l: Number | None = None


class FiredInput(Strict):
    """A wood-fired oven as it is loaded: floor and dome, C, 100 to 550, and how long it stood after raking out."""

    floor_c: Number
    dome_c: Number
    soaked_min: Number = 0.0


class OvenInput(Strict):
    """An oven; `offset_k`: how much hotter than its dial it is; `fired`: of a wood-fired one."""

    kind: OvenKind = "electric"
    heater_w: Number = 2500.0
    volume_l: Number = 55.0
    offset_k: Number = 0.0
    fired: FiredInput | None = None

    def heat(self) -> OvenHeat:
        """As the core takes it."""
        fired = None if self.fired is None else Fired(**self.fired.model_dump())
        return OvenHeat(self.kind, self.heater_w, self.volume_l, self.offset_k, fired)


class PreheatInput(Strict):
    """Minutes of heating before loading, at a set point."""

    setpoint_c: Number
    minutes: Number
    fan: bool = False


class SteamInput(Strict):
    """A source of steam: grams of water and minutes from loading (before it: negative); omitted, the usual."""

    kind: str = "none"
    g: Number | None = None
    at_min: Number | None = None


class StageInput(Strict):
    """Minutes at a set point (0: oven off); covered, or steaming if there is no lid; fan on or off.

    The set point may be left out for an oven that is `fired`: it means nothing there.
    """

    minutes: Number
    setpoint_c: Number | None = None
    covered: bool = False
    fan: bool = False
    grill: bool = False


class BakeInput(Strict):
    """Question of `gentle-crust bake`. Without `preheat`: 50 min at the first stage's set point.

    A wood-fired oven is loaded as hot as `oven.fired` says; without that, as hot as its `preheat`.
    """

    loaf: LoafInput
    vessel: VesselInput
    oven: OvenInput = OvenInput()
    preheat: PreheatInput | None = None
    steam: SteamInput | Annotated[list[SteamInput], Field(max_length=6)] = []
    stages: Annotated[list[StageInput], Field(min_length=1, max_length=12)]
    altitude_m: Number = 0.0
    room_c: Number = 21.0

    def bake(self) -> Bake:
        """As the core takes it."""
        own = self.vessel.preheated
        hot: Preheated = own if isinstance(own, str) else "whole" if own else "none"
        held = self.oven.fired.dome_c if self.oven.fired else None
        stages = []
        for index, stage in enumerate(self.stages):
            setpoint = held if stage.setpoint_c is None else stage.setpoint_c
            if setpoint is None:
                raise CraftError(f"stages[{index}].setpoint_c", "interchange-set-point-missing")
            stages.append(OvenStage(stage.minutes, setpoint, stage.covered, stage.fan, stage.grill))
        first = stages[0]
        heating = self.preheat or PreheatInput(setpoint_c=first.setpoint_c, minutes=50, fan=first.fan)
        steam = self.steam if isinstance(self.steam, list) else [self.steam]
        return Bake(
            self.loaf.loaf(),
            InVessel(self.vessel.kind, hot, self.vessel.base_kg, self.vessel.lid_kg, self.vessel.inside_l),
            self.oven.heat(),
            Preheat(**heating.model_dump()),
            tuple(stages),
            tuple(Steam(**each.model_dump()) for each in steam),
            self.altitude_m,
            self.room_c,
        )


def answer(text: str) -> dict[str, Any]:
    """The bake asked for in JSON, simulated. CraftError for what cannot or must not be."""
    asked = BakeInput.model_validate_json(text).bake()
    most = at_once(checked(asked.loaf), asked.vessel.kind, asked.oven.volume_l, asked.oven.kind, asked.vessel.inside_l)
    if most < 1:
        raise CraftError("loaf.dough_g", "oven-no-room", grams=round(asked.loaf.dough_g))
    if asked.loaf.pieces > most:
        bake(replace(asked, loaf=replace(asked.loaf, pieces=most)))
        return {"fits": False, "loads": _loads(asked, most)}
    went = bake(asked)
    found = hazards(asked)
    for hazard in found:
        if hazard.weight == "refused":
            raise CraftError(hazard.field, hazard.text.code, **hazard.text.values)
    said = [{"code": hazard.code, "text": str(say(hazard.text))} for hazard in found]
    return {"fits": True, **course(asked, went), "warnings": said}


def _loads(asked: Bake, most: int) -> list[dict[str, Any]]:
    """What goes in when, minutes from the first loading: the oven comes back to heat between two loads."""
    each = asked.minutes + RECOVERY_MIN
    return [
        {"pieces": pieces, "at_min": round(place * each)}
        for place, pieces in enumerate(in_loads(asked.loaf.pieces, most))
    ]


def course(asked: Bake, went: Baked) -> dict[str, Any]:
    """How a bake went, a minute at a time: temperatures C, colour and spring as indices (0-100)."""
    minutes = np.arange(0, int(asked.minutes + 1e-9) + 1)
    lines = {
        "chamber_c": "chamber",
        "vessel_c": "vessel",
        "crust_c": "crust",
        "core_c": "core",
        "loss_fraction": "loss",
        "colour": "colour",
    }
    if asked.oven.kind == "wood":
        lines["dome_c"] = "wall"
        if asked.vessel.kind == "oven_floor":
            lines["floor_c"] = "vessel"
    curves = {key: np.interp(minutes, went.minutes, getattr(went, line)) for key, line in lines.items()}
    return {
        "core_minutes_to": {str(core): _rounded(went.minute_of("core", core)) for core in _CORES},
        "end": {
            "core_c": round(went.end("core"), 1),
            "crust_c": round(went.end("crust"), 1),
            "colour": round(went.end("colour"), 1),
            "base_colour": round(went.end("base_colour"), 1),
            "loss_fraction": round(went.end("loss"), 4),
            "crust_mm": round(went.end("crust_mm"), 1),
        },
        "spring_index": round(went.end("spring"), 1),
        "curve": [
            {"minutes": int(minute), **{key: round(float(values[i]), 4) for key, values in curves.items()}}
            for i, minute in enumerate(minutes)
        ],
    }


def _rounded(minute: float | None) -> float | None:
    return None if minute is None else round(minute, 1)
