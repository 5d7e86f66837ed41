"""What in a set-up cannot be or can hurt: refused with the reason, or said as a caution at its stage."""

from dataclasses import dataclass
from typing import Literal

from gentle_crust.core.cautions import caution
from gentle_crust.core.messages import Message, message
from gentle_crust.core.oven.bake import Bake
from gentle_crust.core.oven.equipment import Oven, Vessel, fits, in_a_sentence, vessel_row
from gentle_crust.core.oven.kit import vessel_heat

_COLD_SHOCK = ("stone", "oven_floor", "lidded_clay", "lidded_enamel")
HOB_MATERIAL = "bare-iron"
"""Of what a pot must be to be warmed on the hob without anything in it."""
_WET = ("hot_stones_and_water", "hot_pan", "water_pan")
Weight = Literal["refused", "caution"]
Moment = Literal["preheat", "load", "vent", "out"]


@dataclass(frozen=True)
class Hazard:
    """A stable code, whether it is refused, at which stage it matters, the reason and the remedy in a sentence."""

    code: str
    weight: Weight
    moment: Moment
    text: Message
    field: str = ""


def hottest_c(asked: Bake) -> float:
    """The highest set point of a bake, preheating included if anything is in the oven then, C.

    Parameters
    ----------
    asked : the bake as asked for

    Returns
    -------
    C.
    """
    return max([asked.preheat.setpoint_c, *(stage.setpoint_c for stage in asked.stages)])


def hazards(
    asked: Bake, vessel: Vessel | None = None, oven: Oven | None = None, paper_c: float | None = None
) -> tuple[Hazard, ...]:
    """All hazards of a bake, the refused first. ``vessel`` and ``oven`` are the baker's own, with the makers' limits;
    ``paper_c`` what the paper in use bears (None: no paper).

    Parameters
    ----------
    asked : the bake as asked for
    vessel : a vessel of the kitchen, or its kind in the table of vessels
    oven : the oven as its baker describes it: kind, litres (10-2000), watts, offset (K)
    paper_c : what the baking paper bears, C; none if there is none

    Returns
    -------
    Hazards with their remedies.
    """
    found = [*_limits(asked, vessel, oven, paper_c), *_steaming(asked), *_oven(asked)]
    return tuple(sorted(found, key=lambda hazard: hazard.weight == "caution"))


def _limits(asked: Bake, vessel: Vessel | None, oven: Oven | None, paper_c: float | None) -> list[Hazard]:
    hottest, heat = hottest_c(asked), vessel_heat(asked.vessel.kind)
    found = []
    if oven is not None and hottest > oven.top_c:
        text = message("hazard-too-hot", top=round(oven.top_c), asked=round(hottest))
        found.append(Hazard("too_hot", "refused", "preheat", text, "stages"))
    name = in_a_sentence(vessel) if vessel else message(f"the-vessel-{heat.kind}")
    rated = (vessel.rated_c if vessel else None) or float(vessel_row(asked.vessel.kind)["rated_c"])
    if hottest > rated:
        given = message("hazard-makers-limit" if vessel and vessel.rated_c else "hazard-kinds-limit")
        text = message("hazard-rating", name=name, hottest=round(hottest), given=given, rated=round(rated))
        found.append(Hazard("rating", "refused" if vessel and vessel.rated_c else "caution", "preheat", text, "vessel"))
    if vessel and vessel.knob_c and hottest > vessel.knob_c:
        text = message("hazard-knob", bears=round(vessel.knob_c), hottest=round(hottest))
        found.append(Hazard("knob", "refused", "preheat", text, "vessel"))
    allowed = vessel.heats_empty if vessel and vessel.heats_empty is not None else None
    if asked.vessel.preheated == "whole" and heat.material in ("enamel", "clay") and not allowed:
        text = message("hazard-empty-preheat", name=name)
        found.append(Hazard("empty_preheat", "caution" if allowed is None else "refused", "preheat", text, "vessel"))
    if asked.vessel.preheated == "hob" and heat.material != HOB_MATERIAL:
        found.append(Hazard("hob", "refused", "preheat", message("hazard-hob"), "vessel"))
    elif asked.vessel.preheated == "hob":
        found.append(Hazard("hob", "caution", "preheat", caution("hob").text, "vessel"))
    if paper_c is not None and hottest > paper_c:
        text = message("hazard-paper", bears=round(paper_c), hottest=round(hottest))
        found.append(Hazard("paper", "caution", "load", text, "paper_c"))
    if vessel is not None:
        misfit = fits(vessel, asked.loaf.shape, asked.loaf.dough_g)
        if misfit:
            found.append(Hazard("fit", "refused", "load", misfit, "vessel"))
    return found


def _steaming(asked: Bake) -> list[Hazard]:
    found = []
    kinds = [source.kind for source in asked.steam]
    lidded = vessel_heat(asked.vessel.kind).lid_kg > 0
    for index, kind in enumerate(kinds):
        field = f"steam[{index}].kind"
        if kind == "ice_in_pot":
            if asked.vessel.kind in _COLD_SHOCK and asked.vessel.preheated == "whole":
                text = message(
                    "hazard-ice-cracks", material=message(f"material-{vessel_heat(asked.vessel.kind).material}")
                )
                found.append(Hazard("ice", "refused", "load", text, field))
            else:
                text = message("hazard-ice-useless")
                found.append(Hazard("ice", "caution", "load", text, field))
        if kind == "built_in" and asked.oven.kind != "built_in_steam":
            text = message("hazard-no-own-steam")
            found.append(Hazard("built_in", "caution", "load", text, field))
        if kind == "soaked_towels":
            found.append(Hazard("towels", "caution", "load", caution("towels").text, field))
            if any(stage.fan for stage in asked.stages):
                text = message("hazard-towels-and-fan")
                found.append(Hazard("towels_fan", "caution", "load", text, field))
            wet = (asked.steam[index].g or 400) / 10
            if asked.vent_min > wet - 15:
                text = message("hazard-towels-dry", minutes=round(wet - 15))
                found.append(Hazard("towels_dry", "refused" if wet < 20 else "caution", "vent", text, field))
        if kind == "mist_walls":
            found.append(Hazard("spray", "caution", "load", caution("spray").text, field))
        if kind == "hot_stones_and_water":
            found.append(Hazard("stones", "caution", "preheat", caution("steam_stones").text, field))
        if kind in _WET:
            found.append(Hazard("steam_water", "caution", "load", caution("steam_water").text, field))
            if asked.oven.kind == "gas":
                text = message("hazard-gas-floor")
                found.append(Hazard("gas_floor", "caution", "preheat", text, field))
    if lidded and any(kind not in ("none", "ice_in_pot") for kind in kinds):
        text = message("hazard-steam-under-lid")
        found.append(Hazard("under_lid", "caution", "load", text, "steam"))
    return found


def _oven(asked: Bake) -> list[Hazard]:
    found = []
    if asked.oven.kind == "wood":
        found.append(Hazard("wood", "caution", "preheat", caution("wood").text))
    if asked.oven.kind == "gas":
        found.append(Hazard("gas", "caution", "preheat", caution("gas").text))
    grilled = [stage for stage in asked.stages if stage.grill]
    if any(stage.covered for stage in grilled):
        found.append(Hazard("grill_covered", "refused", "load", message("hazard-grill-covered"), "stages"))
    elif grilled:
        found.append(Hazard("grill", "caution", "out", caution("grill").text, "stages"))
    return found
