"""Every way to bake a loaf with a kit, in JSON: the best for a wish first, each with its figures and its bake."""

from typing import Annotated, Any, Literal

from pydantic import Field

from gentle_crust.contract.strict import Strict
from gentle_crust.core.oven.at_once import at_once, shelf_cm2, shelves
from gentle_crust.core.oven.bake import Bake
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.oven.kit import LARGEST_SETPOINT_C, InVessel, Preheated, Steam, row_of
from gentle_crust.core.oven.loaf import Loaf
from gentle_crust.core.oven.ranking import Way, Wish, effort_of, rank
from gentle_crust.interchange.bake_json import LoafInput, OvenInput, SteamInput, VesselInput
from gentle_crust.text.render import say

TOP_C = {"wood": LARGEST_SETPOINT_C, "rack": 290.0}
USUAL_TOP_C = 275.0
"""The highest set point of a kitchen's oven of which nothing is said (practice)."""


class KitInput(Strict):
    """Vessels, each a kind or as in `bake`, and means of steam by their kinds."""

    vessels: Annotated[list[str | VesselInput], Field(min_length=1, max_length=20)]
    steam: Annotated[list[str], Field(max_length=12)] = []


class ChooseInput(Strict):
    """Question of `gentle-crust choose`."""

    loaf: LoafInput
    oven: OvenInput = OvenInput()
    kit: KitInput
    wish: Wish = "usual"
    rye: bool = False
    altitude_m: float = 0.0


def answer(text: str) -> dict[str, Any]:
    """All ways, the best first, and what is unfit with why. CraftError for what is not known."""
    asked = ChooseInput.model_validate_json(text)
    for kind in asked.kit.steam:
        row_of("steam", "kit.steam", kind)
    heat = asked.oven.heat()
    oven = Oven(
        kind=heat.kind,
        top_c=TOP_C.get(heat.kind, USUAL_TOP_C),
        volume_l=heat.volume_l,
        heater_w=heat.heater_w,
        offset_k=heat.offset_k,
        shelves=shelves(heat.volume_l, heat.kind) + 1,
        shelf_cm2=shelf_cm2(heat.volume_l, heat.kind),
    )
    piece = asked.loaf.loaf()
    vessels = tuple(_vessel(one, place, piece, oven) for place, one in enumerate(asked.kit.vessels))
    ways = rank(
        piece, asked.loaf.pieces, vessels, oven, tuple(asked.kit.steam), asked.wish, asked.rye, asked.altitude_m,
        fired=heat.fired,
    )  # fmt: skip
    fit = [_told(way) for way in ways if not way.unfit]
    return {"ways": fit, "unfit": [{**_head(way), "why": str(say(way.unfit))} for way in ways if way.unfit]}


def _vessel(one: str | VesselInput, place: int, loaf: Loaf, oven: Oven) -> Vessel:
    given = VesselInput(kind=one) if isinstance(one, str) else one
    row_of("vessels", "kit.vessels", given.kind)
    many = max(at_once(loaf, given.kind, oven.volume_l, oven.kind, given.inside_l), 1)
    return Vessel(
        f"{given.kind}-{place}", given.kind, given.kind.replace("_", " "), many, given.base_kg, given.lid_kg,
        given.inside_l,
    )  # fmt: skip


def _head(way: Way) -> dict[str, Any]:
    vessel = _vessel_told(way.vessel, way.preheated)
    return {"vessel": vessel, "steam": [{"kind": kind} for kind in way.steam]}


def _vessel_told(vessel: Vessel | InVessel, preheated: Preheated) -> dict[str, Any]:
    """As `gentle-crust bake` takes it."""
    hot: dict[Preheated, bool | Literal["lid", "hob"]] = {"whole": True, "none": False, "lid": "lid", "hob": "hob"}
    given = VesselInput(
        kind=vessel.kind, preheated=hot[preheated], base_kg=vessel.base_kg, lid_kg=vessel.lid_kg,
        inside_l=vessel.inside_l,
    )  # fmt: skip
    return given.model_dump(exclude_none=True)


def _told(way: Way) -> dict[str, Any]:
    made = way.drawn
    assert made is not None  # noqa: S101 - only the unfit have none
    went = made.baked
    figures = {
        "spring_index": round(went.end("spring"), 1),
        "colour": round(went.end("colour"), 1),
        "base_colour": round(went.end("base_colour"), 1),
        "crust_mm": round(went.end("crust_mm"), 1),
        "loss_fraction": round(went.end("loss"), 4),
        "minutes": round(made.bake.minutes),
        "loads": way.loads,
        "effort": effort_of(way),
    }
    why = " ".join(str(say(point.why)) for point in way.points[:2])
    return {**_head(way), "points": way.score, "figures": figures, "why": why, "bake": as_json(made.bake)}


def as_json(bake: Bake) -> dict[str, Any]:
    """A bake as `gentle-crust bake` takes it."""
    oven: dict[str, Any] = {
        "kind": bake.oven.kind, "heater_w": bake.oven.heater_w, "volume_l": bake.oven.volume_l,
        "offset_k": bake.oven.offset_k,
    }  # fmt: skip
    if bake.oven.fired is not None:
        fired = bake.oven.fired
        oven["fired"] = {"floor_c": fired.floor_c, "dome_c": fired.dome_c, "soaked_min": fired.soaked_min}
    loaf = bake.loaf
    return {
        "loaf": {name: getattr(loaf, name) for name in LoafInput.model_fields},
        "vessel": _vessel_told(bake.vessel, bake.vessel.preheated),
        "oven": oven,
        "preheat": {"setpoint_c": bake.preheat.setpoint_c, "minutes": bake.preheat.minutes, "fan": bake.preheat.fan},
        "steam": [_steam(each) for each in bake.steam],
        "stages": [
            {"minutes": each.minutes, "setpoint_c": each.setpoint_c, "covered": each.covered, "fan": each.fan}
            for each in bake.stages
        ],
        "altitude_m": bake.altitude_m,
        "room_c": bake.room_c,
    }


def _steam(each: Steam) -> dict[str, Any]:
    return SteamInput(kind=each.kind, g=each.g, at_min=each.at_min).model_dump(exclude_none=True)
