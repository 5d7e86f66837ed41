"""A staged bake, simulated: what oven, vessel, steam and loaf do together, minute by minute.

Core temperature, loss and soak are estimates to lean on; colour (0-100: golden 40, deep 60, very dark 80),
crust and spring are indices: they rank ways to bake, they do not measure a loaf. Sources: heat and water in
bread after Zanoni, Peri and Pierucci (1993) and Purlis and Salvadori (2009), quoted from memory, unverified.
"""

from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Any

import numpy as np
from numpy.typing import NDArray

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.limits import Limit
from gentle_crust.core.oven.chamber import STEAM_CODES, Oven
from gentle_crust.core.oven.constants import numbers
from gentle_crust.core.oven.heating import Piece
from gentle_crust.core.oven.kit import (
    HOB_C,
    LARGEST_SETPOINT_C,
    InVessel,
    OvenHeat,
    OvenStage,
    Preheat,
    Steam,
    oven_row,
    steam_of,
    vessel_heat,
)
from gentle_crust.core.oven.loaf import Loaf, checked, rings, shape, start_moisture
from gentle_crust.core.oven.march import BEGUN, LINES, TOTALS, Course, Pot, march
from gentle_crust.core.oven.vapour import pressure_kpa

Array = NDArray[np.float64]

GOLDEN, DEEP, VERY_DARK = 40.0, 60.0, 80.0
ROOM_C = 21.0
_MOST_MIN = 480.0
_SOAKED_MIN = 30.0
"""A wood-fired oven of which nothing else is said has stood so long since it was raked out."""
_MASS_SHARE_M2 = 0.115
"""A flat base answers with the part that lies under its loaves: all of it from this area on (estimated)."""


@dataclass(frozen=True)
class Bake:
    """One way to bake one load: the question."""

    loaf: Loaf
    vessel: InVessel
    oven: OvenHeat
    preheat: Preheat
    stages: tuple[OvenStage, ...]
    steam: tuple[Steam, ...] = ()
    altitude_m: float = 0.0
    room_c: float = ROOM_C

    @property
    def minutes(self) -> float:
        """From door shut to the end of the last stage."""
        return sum(stage.minutes for stage in self.stages)

    @property
    def vent_min(self) -> float:
        """When steam is taken out: as the first covered stage ends, else as stage one ends."""
        at = 0.0
        for before, after in zip(self.stages, self.stages[1:], strict=False):
            at += before.minutes
            if before.covered and not after.covered:
                return at
        return self.stages[0].minutes if not self.stages[0].covered else self.minutes


@dataclass(frozen=True)
class Baked:
    """One way to bake, as it went. The lines run over ``minutes`` from loading (preheating: before 0).

    Temperatures in C; ``vapour`` is the share of steam in what surrounds the loaf; ``loss`` the share of the
    dough's weight; ``colour`` and ``base_colour`` 0-100, ``crust_mm`` and ``spring`` are indices.
    ``skin_set_min`` is when the skin stopped giving way (None: it stayed soft). The two gaps are what the loaf's
    balance of heat (J) and water (kg) misses.
    """

    minutes: Array
    setpoint: Array
    chamber: Array
    wall: Array
    vessel: Array
    lid: Array
    crust: Array
    core: Array
    base: Array
    vapour: Array
    loss: Array
    colour: Array
    base_colour: Array
    crust_mm: Array
    spring: Array
    skin_set_min: float | None
    moist_over_boiling_k: float
    energy_gap_j: float
    water_gap_kg: float
    heater_j: float
    lost_j: float

    def minute_of(self, line: str, value: float) -> float | None:
        """The first minute after loading at which a rising ``line`` reaches ``value``, or None."""
        values, minutes = getattr(self, line), self.minutes
        at = np.flatnonzero((minutes >= 0) & (values >= value))
        if not len(at):
            return None
        i = int(at[0])
        if i == 0 or minutes[i] <= 0:
            return max(float(minutes[i]), 0.0)
        low, high = float(values[i - 1]), float(values[i])
        return float(minutes[i - 1] + (minutes[i] - minutes[i - 1]) * (value - low) / max(high - low, 1e-9))

    def at(self, line: str, minute: float) -> float:
        """A line's value at a minute."""
        return float(np.interp(minute, self.minutes, getattr(self, line)))

    def until(self, minute: float) -> "Baked":
        """The same bake, ended at ``minute``: its lines cut there; heat in all stays that of the whole."""
        kept = self.minutes < minute - 1e-9
        lines: dict[str, Any] = {line: np.append(getattr(self, line)[kept], self.at(line, minute)) for line in LINES}
        return replace(self, **lines)

    def end(self, line: str) -> float:
        """A line's last value."""
        return float(getattr(self, line)[-1])


@dataclass(frozen=True)
class Begun:
    """A bake as its last stage begins: the question, and how everything stood then."""

    question: Bake
    stands: Array
    rings: Array
    rows: Array

    def leads_to(self, question: Bake) -> bool:
        """Whether another bake is the same until its last stage begins."""
        one, other = self.question, question
        same = replace(one, stages=()) == replace(other, stages=()) and one.stages[:-1] == other.stages[:-1]
        return same and len(one.stages) > 1 and one.oven.kind != "wood" and one.vent_min == other.vent_min


def bake(question: Bake) -> Baked:
    """Simulate one bake (a few milliseconds). CraftError for what cannot be.

    Parameters
    ----------
    question : what is asked, whole

    Returns
    -------
    The bake by the minute, heat and water kept.
    """
    return begin(question)[0]


Goal = tuple[float, float, float]
"""Core (C), colour (0-100) and loss (share) with which a loaf is done."""
NO_GOAL: Goal = (0.0, 0.0, 0.0)


def begin(question: Bake, goal: Goal = NO_GOAL) -> tuple[Baked, Begun]:
    """The same, and how it stood as its last stage began; ended soon after its goal. CraftError for what cannot be.

    Parameters
    ----------
    question : what is asked, whole
    goal : what the bake is to reach, after which it need not go on

    Returns
    -------
    The bake, and how it stood.
    """
    return _march(question, None, goal)


def go_on(question: Bake, begun: Begun, goal: Goal = NO_GOAL) -> Baked:
    """Simulate a bake that another leads to from where they part. CraftError for what cannot be."""
    return _march(question, begun, goal)[0]


def _march(question: Bake, begun: Begun | None, goal: Goal) -> tuple[Baked, Begun]:
    asked = _checked(_as_fired(question))
    body = rings(asked.loaf.shape, asked.loaf.dough_g)
    pot = _pot(
        asked.vessel,
        asked.loaf.pieces,
        float(body.base_m2),
        float(body.volume_m3.sum()) * 1000,
        asked.oven.kind == "wood",
    )
    keep = np.zeros((int(asked.preheat.minutes + asked.minutes * 12 + 80 * len(asked.stages)) + 400, len(LINES)))
    totals = np.zeros(len(TOTALS))
    piece = _piece(asked.loaf)
    if begun is None:
        stands, inside = np.zeros(BEGUN), np.zeros((3, len(piece.dry_kg)))
    else:
        stands, inside = begun.stands.copy(), begun.rings.copy()
        keep[: len(begun.rows)] = begun.rows
    course = _course(asked)
    rows = march(
        piece,
        pot,
        _oven(asked.oven),
        course,
        numbers(),
        keep,
        totals,
        stands,
        inside,
        begun is not None,
        np.array(goal),
    )
    lines = keep[:rows].T
    found: dict[str, Any] = dict(zip(LINES, lines, strict=True)) | dict(zip(TOTALS, totals.tolist(), strict=True))
    found["skin_set_min"] = found["skin_set_min"] if found["skin_set_min"] >= 0 else None
    return Baked(**found), Begun(question, stands, inside, keep[: int(stands[-1])])


def _as_fired(asked: Bake) -> Bake:
    """A fired oven bakes with the heat it holds: it is loaded as hot as it was fired, and its set points mean nothing.

    Without ``fired`` a wood oven's preheating is its firing: floor and dome are at that set point when it is loaded.
    Raises CraftError if an oven that burns no wood is said to be fired, or for heat that no oven has.
    """
    fired = asked.oven.fired
    if fired is None:
        return replace(asked, preheat=replace(asked.preheat, minutes=0)) if asked.oven.kind == "wood" else asked
    if asked.oven.kind != "wood":
        raise CraftError("oven.fired", "oven-fired-not-wood")
    within("oven.fired.floor_c", limits.FIRED_C, fired.floor_c)
    within("oven.fired.dome_c", limits.FIRED_C, fired.dome_c)
    within("oven.fired.soaked_min", limits.FIRED_SOAK_MIN, fired.soaked_min)
    held = min(fired.dome_c, LARGEST_SETPOINT_C)
    return replace(
        asked,
        oven=replace(asked.oven, heater_w=OvenHeat().heater_w),
        preheat=Preheat(held, 0),
        stages=tuple(replace(stage, setpoint_c=held) for stage in asked.stages),
    )


def _checked(asked: Bake) -> Bake:
    checked(asked.loaf)
    vessel_heat(asked.vessel.kind)
    oven_row(asked.oven.kind)
    within("oven.heater_w", limits.HEATER_W, asked.oven.heater_w)
    within("oven.volume_l", limits.OVEN_VOLUME_L, asked.oven.volume_l)
    within("oven.offset_k", limits.OFFSET_K, asked.oven.offset_k)
    within("preheat.minutes", limits.PREHEAT_MIN, asked.preheat.minutes)
    within("altitude_m", limits.ALTITUDE_M, asked.altitude_m)
    within("room_c", limits.BAKERY_C, asked.room_c)
    for name, value, most in (
        ("base_kg", asked.vessel.base_kg, 60),
        ("lid_kg", asked.vessel.lid_kg, 30),
        ("inside_l", asked.vessel.inside_l, 60),
    ):
        if value is not None:
            within(f"vessel.{name}", Limit("vessels-size", 0.1, most, "litres" if name == "inside_l" else "kg"), value)
    if not 1 <= len(asked.stages) <= 12:
        raise CraftError("stages", "oven-stages-count", count=len(asked.stages))
    for index, stage in enumerate(asked.stages):
        within(f"stages[{index}].minutes", limits.STAGE_MIN, stage.minutes)
        _setpoint(f"stages[{index}].setpoint_c", stage.setpoint_c)
    _setpoint("preheat.setpoint_c", asked.preheat.setpoint_c)
    within("stages", Limit("whole-bake", 1, _MOST_MIN, "min"), asked.minutes)
    if asked.oven.kind == "wood" and asked.preheat.setpoint_c <= 0:
        raise CraftError("preheat.setpoint_c", "oven-wood-heat-missing")
    if len(asked.steam) > 6:
        raise CraftError("steam", "oven-too-much-steam")
    return replace(asked, steam=tuple(steam_of(each) for each in asked.steam))


def _setpoint(path: str, value: float) -> None:
    if value != 0:
        within(path, Limit("set-point", 60, LARGEST_SETPOINT_C, "C"), value)


@lru_cache(maxsize=256)
def _piece(loaf: Loaf) -> Piece:
    body, form, c = rings(loaf.shape, loaf.dough_g), shape(loaf.shape), numbers().browning
    volume = body.volume_m3.sum()
    moisture = start_moisture(loaf)
    dry_kg = loaf.dough_g / 1000 / (1 + moisture)
    return Piece(
        dry_kg=dry_kg * body.volume_m3 / volume,
        share=body.volume_m3 / volume,
        width_m=body.width_m,
        gap=body.gap,
        top_m2=float(body.top_m2),
        base_m2=float(body.base_m2),
        middle=body.middle,
        shape_factor=float(body.shape_factor),
        dry_factor=form.dry_factor,
        density=float(dry_kg / volume),
        moisture_0=float(moisture),
        pace=1.0
        + c.sugar * loaf.sugar
        + c.milk * loaf.milk
        + c.malt * loaf.malt
        + c.cold_per_h * min(loaf.cold_hours, 48),
    )


def _pot(vessel: InVessel, pieces: int, base_skin_m2: float, loaf_l: float, fired: bool) -> Pot:
    """All vessels in use, as one."""
    heat = vessel_heat(vessel.kind)
    units = float(np.ceil(pieces / heat.holds))
    each = pieces / units
    share = min(1.0, 1.6 * each * base_skin_m2 / _MASS_SHARE_M2) if heat.flat else 1.0
    lidded = heat.lid_kg > 0
    lid_kg = float(vessel.lid_kg or heat.lid_kg) if lidded else 0.0
    inside = float(vessel.inside_l or heat.inside_l)
    base_j_k = float(vessel.base_kg or heat.base_kg) * heat.base_j_kg_k * share * units
    pot = Pot(
        base_j_k=base_j_k * heat.face,
        base_m2=heat.base_m2 * share * units,
        lid_j_k=max(lid_kg * heat.base_j_kg_k * units, 1.0),
        lid_m2=heat.lid_m2 * units,
        emissivity=heat.emissivity,
        lid_emissivity=heat.lid_emissivity,
        contact=heat.contact,
        dry_extra=heat.dry_extra,
        inner=heat.inner_w_m2_k,
        seen_wall=heat.wall_seen,
        free_l=max(inside - loaf_l * each, 0.5) * units,
        leak_s=max(heat.leak_s, 1.0),
        has_lid=lidded,
        base_hot=vessel.preheated == "whole",
        base_c=HOB_C if vessel.preheated == "hob" else 0.0,
        lid_hot=vessel.preheated in ("whole", "lid"),
        under_j_k=base_j_k * (1 - heat.face) if heat.face < 1 else 0.0,
        under_w_k=heat.joint_w_k * share * units,
    )
    on_the_floor = fired and vessel.kind == "oven_floor"
    return _floor(pot, heat.base_j_kg_k, pieces * base_skin_m2) if on_the_floor else pot


_FLOOR_FACE_KG_M2, _FLOOR_KG_M2, _FLOOR_W_M2_K = 9.0, 250.0, 95.0
"""A floor of brick: its face of 15 mm, what lies under that, and the heat that passes between them (estimated)."""
_FLOOR_OPEN = 0.3
"""Of the floor under the loaves, as much again is open to the dome around them (estimated)."""


def _floor(pot: Pot, j_kg_k: float, loaves_m2: float) -> Pot:
    """The part of a fired oven's floor that its loaves stand on."""
    area = loaves_m2 * (1 + _FLOOR_OPEN)
    return pot._replace(
        base_j_k=_FLOOR_FACE_KG_M2 * j_kg_k * area,
        base_m2=_FLOOR_OPEN * loaves_m2,
        free_l=0.5,
        base_hot=True,
        base_c=0.0,
        lid_hot=False,
        under_j_k=_FLOOR_KG_M2 * j_kg_k * area,
        under_w_k=_FLOOR_W_M2_K * area,
    )


def _oven(oven: OvenHeat) -> Oven:
    row, c = oven_row(oven.kind), numbers().chamber
    size = (oven.volume_l / 55) ** (2 / 3)
    return Oven(
        air_j_k=c.air_j_k * oven.volume_l / 55,
        wall_j_k=row["wall_kj_k"] * 1e3 * size,
        wall_m2=c.wall_m2 * size,
        loss_w_k=0.0 if row["store_kj_k"] else row["loss_w_k"] * size,
        steam_s=row["steam_s"],
        heater_w=0.0 if oven.kind == "wood" else float(oven.heater_w),
        floor_k=row["floor_shift_k"],
        offset_k=float(oven.offset_k),
        litres=float(oven.volume_l),
        fired=oven.kind == "wood",
        store_j_k=row["store_kj_k"] * 1e3 * size,
        store_w_k=row["store_w_k"] * size,
        store_loss_w_k=row["loss_w_k"] * size,
        radiates=row["radiates"],
        draught=row["draught"],
        pace=float(oven.pace),
    )


def _course(asked: Bake) -> Course:
    stages, fired = asked.stages, asked.oven.fired
    works = [each for each in asked.steam if each.kind not in ("none", "mist_loaf")]
    return Course(
        preheat_min=float(asked.preheat.minutes),
        preheat_c=float(asked.preheat.setpoint_c),
        preheat_fan=bool(asked.preheat.fan),
        floor_c=float(fired.floor_c if fired else asked.preheat.setpoint_c),
        dome_c=float(fired.dome_c if fired else asked.preheat.setpoint_c),
        soaked_min=float(fired.soaked_min if fired else _SOAKED_MIN),
        ends=np.cumsum([float(stage.minutes) for stage in stages]),
        setpoints=np.array([float(stage.setpoint_c) for stage in stages]),
        covered=np.array([float(stage.covered) for stage in stages]),
        fans=np.array([float(stage.fan) for stage in stages]),
        grills=np.array([float(stage.grill) for stage in stages]),
        vent_min=float(asked.vent_min),
        steam_kind=np.array([STEAM_CODES[each.kind] for each in works], dtype=np.int64),
        steam_kg=np.array([(each.g or 0.0) / 1000 for each in works], dtype=np.float64),
        steam_min=np.array([max(each.at_min or 0.0, -asked.preheat.minutes) for each in works], dtype=np.float64),
        film_kg=float(sum(each.g or 0.0 for each in asked.steam if each.kind == "mist_loaf") / 1000),
        start_c=float(asked.loaf.start_c),
        pieces=float(asked.loaf.pieces),
        room_c=float(asked.room_c),
        kpa=pressure_kpa(asked.altitude_m),
    )
