"""A staged bake drawn up for a loaf, a vessel and an oven: set points, when to uncover, and done when it is done."""

from dataclasses import dataclass, replace
from functools import lru_cache
from math import ceil, floor
from typing import Literal

import numpy as np

from gentle_crust.core.oven.bake import VERY_DARK, Bake, Baked, bake, begin, go_on
from gentle_crust.core.oven.equipment import FAN_LOWER_C, Oven, Vessel, per_load, shape_row, vessel_row
from gentle_crust.core.oven.kit import Fired, InVessel, OvenHeat, OvenStage, Preheat, Preheated, Steam
from gentle_crust.core.oven.loaf import Loaf
from gentle_crust.core.oven.vapour import boiling_c
from gentle_crust.core.tables import constant

Crust = Literal["usual", "thin", "thick", "soft"]
CRUSTS: dict[Crust, tuple[float, float, float]] = {
    "usual": (0.0, 0.0, 0.0),
    "thin": (8.0, 8.0, -5.0),
    "thick": (0.0, -10.0, 15.0),
    "soft": (-15.0, -15.0, -12.0),
}
"""By the crust that is wanted: K on the first and on the second set point, colour beyond the usual (practice)."""
BEST_STEAM = ("built_in", "hot_stones_and_water", "soaked_towels", "hot_pan", "water_pan", "mist_loaf")
"""Ways to steam an open bake, the best first."""
SMALL_G = 300.0
"""Pieces smaller than this stay at one temperature."""
SOAKED_K = 10.0
"""A vessel is soaked when it is this near the set point."""
WALLS_MIN = 10.0
FIRED_K = 35.0
"""A wood-fired oven falls as it bakes: it is fired this much hotter (practice)."""
SWEET_K, MILK_K, MOST_COOLER_K = 160.0, 12.0, 40.0
"""A sweet or milky dough browns sooner: it is baked so much cooler, times its shares of the flour (practice)."""
BELOW_BOILING_K = 2.0
_LONGEST_OPEN_MIN, _USUAL_OPEN_MIN = 100.0, 32.0
"""Minutes for which a bake is carried on until it is done: most are in the shorter time."""
_USUAL_W = {
    "electric": 2500.0,
    "electric_fan": 2500.0,
    "gas": 3200.0,
    "built_in_steam": 2800.0,
    "wood": 2500.0,
    "rack": 2500.0,
}


@dataclass(frozen=True)
class Want:
    """What is wanted of the crust, which steam there is (or is to be used, if ``steam_given``), and how to preheat."""

    crust: Crust = "usual"
    rye: bool = False
    steam: tuple[str, ...] = ()
    steam_given: bool = False
    preheated: Preheated | None = None
    fired: Fired | None = None
    """How hot a wood-fired oven is as it is loaded, if that is known."""


@dataclass(frozen=True)
class Done:
    """When a loaf is done: core (C), colour (0-100) and loss (share) to reach, and the minute of each (None: never)."""

    core_c: float
    colour: float
    loss: float
    core_min: float | None
    colour_min: float | None
    loss_min: float | None

    @property
    def last(self) -> str:
        """Which of the three comes last."""
        minutes = {"core": self.core_min, "colour": self.colour_min, "loss": self.loss_min}
        return max(minutes, key=lambda name: 1e9 if minutes[name] is None else float(minutes[name] or 0))

    @property
    def minute(self) -> float | None:
        """When all three are there, or None."""
        if self.core_min is None or self.colour_min is None or self.loss_min is None:
            return None
        return max(self.core_min, self.colour_min, self.loss_min)


@dataclass(frozen=True)
class CoreAt:
    """The core's temperature (C), minutes from loading."""

    minutes: float
    core_c: float


def core_line(baked: Baked, until_min: float) -> tuple[CoreAt, ...]:
    """Minutes and core temperature of a bake, from loading on, at 25 moments.

    Parameters
    ----------
    baked : a simulated bake
    until_min : minute up to which, from loading

    Returns
    -------
    Minutes and C.
    """
    at = np.linspace(0, until_min, 25)
    return tuple(CoreAt(float(minute), round(baked.at("core", float(minute)), 2)) for minute in at)


@dataclass(frozen=True)
class Draft:
    """A bake drawn up: the question that was simulated, how it went, and what it takes."""

    bake: Bake
    baked: Baked
    done: Done
    per_load: int
    soak_min: int
    cold_start: bool
    short_k: float

    @property
    def core(self) -> tuple[CoreAt, ...]:
        """Minutes and core temperature, from loading on, at 25 moments."""
        return core_line(self.baked, self.bake.minutes)


def heat_of(oven: Oven) -> OvenHeat:
    """The oven as the simulation takes it; its power from the heat-up time if that is what is known.

    Parameters
    ----------
    oven : the oven as its baker describes it: kind, litres (10-2000), watts, offset (K)

    Returns
    -------
    Watts, heat capacities (J/K) and losses (W/K).
    """
    watts = oven.heater_w
    if watts is None and oven.heat_up_min is not None:
        watts = power_of(oven.kind, oven.volume_l, oven.heat_up_min)
    usual = _USUAL_W[oven.kind] * (oven.volume_l / 55) ** (2 / 3)
    return OvenHeat(oven.kind, watts or usual, oven.volume_l, oven.offset_k, pace=oven.pace)


@lru_cache(maxsize=64)
def power_of(kind: str, volume_l: float, minutes: float, to_c: float = 225.0) -> float:
    """The heater (W, 800-9,000) that brings an empty oven's air to ``to_c`` in ``minutes``; by halving.

    Parameters
    ----------
    kind : kind of oven, vessel or steam, of the tables
    volume_l : volume of the oven, l, 10-2000
    minutes : minutes
    to_c : temperature that is to be reached, C

    Returns
    -------
    W, 800-9000.
    """
    low, high = 800.0, 9000.0
    for _ in range(12):
        middle = (low + high) / 2
        took = _air_min(OvenHeat(kind, middle, volume_l), to_c)  # type: ignore[arg-type]
        low, high = (middle, high) if took > minutes else (low, middle)
    return round((low + high) / 2, -1)


def _air_min(oven: OvenHeat, to_c: float) -> float:
    # A single roll on a cold tray that comes in later leaves the heating oven empty.
    went = bake(
        Bake(Loaf(30, shape="roll"), InVessel("tray", "none"), oven, Preheat(to_c + 15, 90), (OvenStage(1, to_c),))
    )
    at = np.flatnonzero((went.minutes <= 0) & (went.chamber >= to_c))
    return float(went.minutes[at[0]] + 90) if len(at) else 999.0


@lru_cache(maxsize=256)
def soak_min(vessel: InVessel, oven: OvenHeat, setpoint_c: float, fan: bool, loaf: Loaf, room_c: float = 21.0) -> int:
    """Minutes of heating until the vessel is within 10 K of the set point, by fives.

    If no vessel is heated: until the air is, and ten minutes more for the walls.

    Parameters
    ----------
    vessel : a vessel of the kitchen, or its kind in the table of vessels
    oven : the oven as its baker describes it: kind, litres (10-2000), watts, offset (K)
    setpoint_c : set point of the dial, C, 0-550
    fan : whether the fan is on
    loaf : one piece as it is loaded: dough (g, 30-5000), hydration (a fraction, .45-1.2), warmth (C), shape
    room_c : temperature of the kitchen, C, 5-40

    Returns
    -------
    Minutes.
    """
    if oven.kind == "wood":
        return 0
    went = bake(Bake(loaf, vessel, oven, Preheat(setpoint_c, 180, fan), (OvenStage(1, setpoint_c),), room_c=room_c))
    inside = {"whole": went.vessel, "lid": went.lid}
    heated = inside.get(vessel.preheated, went.chamber)
    # The offset is the dial's: hotter than it says.
    reached = np.flatnonzero((went.minutes <= 0) & (heated >= setpoint_c + oven.offset_k - SOAKED_K))
    minutes = float(went.minutes[reached[0]] + 180) if len(reached) else 180.0
    minutes += WALLS_MIN if vessel.preheated not in inside else 0.0
    return int(min(ceil(minutes / 5) * 5, 120))


def usual_preheat(vessel: Vessel) -> Preheated:
    """What of a vessel is heated with the oven: all, if the maker allows it and the dough does not stand in it.

    Parameters
    ----------
    vessel : a vessel of the kitchen, or its kind in the table of vessels

    Returns
    -------
    What is heated.
    """
    row = vessel_row(vessel.kind)
    if vessel.kind in ("tin", "tray", "perforated_tray"):
        return "none"
    allowed = vessel.heats_empty if vessel.heats_empty is not None else row["empty_preheat"] == "1"
    return "whole" if allowed else "none"


def may_be_heated(vessel: Vessel) -> tuple[Preheated, ...]:
    """What of a vessel a baker may have hot when it is loaded.

    Parameters
    ----------
    vessel : a vessel of the kitchen, or its kind in the table of vessels

    Returns
    -------
    What may be heated.
    """
    row = vessel_row(vessel.kind)
    if vessel.kind in ("tin", "tray", "perforated_tray") or vessel.kind == "oven_floor":
        return (usual_preheat(vessel),)
    hob: tuple[Preheated, ...] = ("hob",) if row["material"] == "bare-iron" else ()
    return ("whole", "lid", *hob, "none") if row["lidded"] == "1" else ("whole", "none")


def usual_steam(vessel: Vessel, oven: Oven, shape: str, means: tuple[str, ...]) -> tuple[str, ...]:
    """Steam for an open bake from the means that there are; a lid needs none, nor do a tin loaf and a flat round.

    Parameters
    ----------
    vessel : a vessel of the kitchen, or its kind in the table of vessels
    oven : the oven as its baker describes it: kind, litres (10-2000), watts, offset (K)
    shape : shape of the piece
    means : the ways to steam that there are

    Returns
    -------
    Kinds of steam.
    """
    if vessel_row(vessel.kind)["lidded"] == "1" or shape in ("pan_loaf", "flat_round"):
        return ()
    if oven.kind == "built_in_steam":
        return ("built_in",)
    return next(((kind,) for kind in BEST_STEAM if kind in means), ())


def cooler_k(loaf: Loaf) -> float:
    """How much cooler a sweet or milky dough is baked, K (practice).

    Parameters
    ----------
    loaf : one piece as it is loaded: dough (g, 30-5000), hydration (a fraction, .45-1.2), warmth (C), shape

    Returns
    -------
    K, 0 and more.
    """
    return min(SWEET_K * loaf.sugar + MILK_K * loaf.milk, MOST_COOLER_K)


def core_wanted_c(at_sea_c: float, altitude_m: float) -> float:
    """The core (C) with which a loaf is done at a height: as far below boiling as at the sea, to half a degree.

    Starch sets well below, what remains is a matter of drying, and that goes by how near the crumb is to boiling
    (practice: about a degree less for every 300 m).

    Parameters
    ----------
    at_sea_c : core with which it is done at the sea, C
    altitude_m : height above the sea, m, 0-5000

    Returns
    -------
    C.
    """
    here = boiling_c(altitude_m)
    return floor(2 * min(at_sea_c - (boiling_c() - here), here - BELOW_BOILING_K) + 0.5) / 2


def draft(loaf: Loaf, pieces: int, vessel: Vessel, oven: Oven, want: Want, altitude_m: float = 0.0) -> Draft:
    """Draw up the bake of a load of ``pieces``: stages by the tables, their end by the simulation.

    The first stage is covered or steaming and grows with the two-thirds power of the weight (heat has a radius to
    cross); the second lasts until core, colour and loss are there. If the crust would be very dark before the core is
    done, the second set point is lowered.

    Parameters
    ----------
    loaf : one piece as it is loaded: dough (g, 30-5000), hydration (a fraction, .45-1.2), warmth (C), shape
    pieces : number of pieces, 1-400
    vessel : a vessel of the kitchen, or its kind in the table of vessels
    oven : the oven as its baker describes it: kind, litres (10-2000), watts, offset (K)
    want : what is wished of the loaf
    altitude_m : height above the sea, m, 0-5000

    Returns
    -------
    Stages with minutes and set points, and what they give.
    """
    row, form = vessel_row(vessel.kind), shape_row(loaf.shape)
    at_once = per_load(vessel, oven, loaf, pieces)
    loaf = replace(loaf, pieces=at_once)
    preheated = want.preheated or usual_preheat(vessel)
    lidded, fan = row["lidded"] == "1", oven.kind in ("electric_fan", "rack")
    cold_start = lidded and preheated == "none"
    shift = float(form["setpoint_shift_c"]) - (FAN_LOWER_C if fan else 0.0) + (FIRED_K if oven.kind == "wood" else 0.0)
    shift -= cooler_k(loaf)
    hotter, later, darker = CRUSTS[want.crust]
    wanted = float(row["covered_c"]) + shift + hotter
    first = min(wanted, oven.top_c)
    second = min(float(row["open_c"]) + shift + later, first)
    if loaf.dough_g < SMALL_G:
        second = first
    steam = want.steam if want.steam_given else usual_steam(vessel, oven, loaf.shape, want.steam)
    covered = max(round(_covered_min(row, form, loaf, preheated) + (2 if loaf.start_c < 10 else 0)), 5)
    if loaf.shape in ("pan_loaf", "flat_round"):
        covered = 0
    inside = InVessel(vessel.kind, preheated, vessel.base_kg, vessel.lid_kg, vessel.inside_l)
    heat = replace(heat_of(oven), fired=want.fired)
    soak = 0 if cold_start else soak_min(inside, heat, first, fan, replace(loaf, start_c=22.0, cold_hours=0.0))
    colour = float(form["colour_done"]) + darker
    done_c = float(form["core_done_c"])
    core = core_wanted_c(max(done_c, constant("oven", "done", "rye_core")) if want.rye else done_c, altitude_m)
    loss = float(form["loss_done"])
    if not covered:
        second = first
    begun = None
    for _ in range(4):
        stages = [OvenStage(covered, first, True, fan)] if covered else []
        for longest in (_USUAL_OPEN_MIN, _LONGEST_OPEN_MIN):
            drawn = (*stages, OvenStage(longest, second, False, fan))
            asked = Bake(loaf, inside, heat, Preheat(first, soak, fan), drawn, tuple(map(Steam, steam)), altitude_m)
            if begun is not None and begun.leads_to(asked):
                went = go_on(asked, begun, (core, colour, loss))
            else:
                went, begun = begin(asked, (core, colour, loss))
            done = done_of(went, core, colour, loss)
            if done.minute is not None and done.minute < covered + longest:
                break
        end = done.minute if done.minute is not None else covered + _LONGEST_OPEN_MIN
        end = max(end, covered + 4)
        dark = went.at("colour", end)
        if dark <= VERY_DARK - 4 + darker / 2 or second <= 165:
            break
        second = max(second - 15, 165)
        first = first if covered else second
    opened = max(ceil(end - covered - 0.2), 4)
    asked = replace(asked, stages=(*asked.stages[:-1], replace(asked.stages[-1], minutes=float(opened))))
    # The bake was carried on beyond its end: nothing is baked twice.
    went = went.until(asked.minutes) if asked.minutes <= float(went.minutes[-1]) else bake(asked)
    return Draft(asked, went, done, at_once, soak, cold_start, max(wanted - oven.top_c, 0.0))


def _covered_min(row: dict[str, str], form: dict[str, str], loaf: Loaf, preheated: Preheated) -> float:
    scale = (loaf.dough_g / float(form["reference_g"])) ** (2 / 3) * float(form["time_factor"])
    minutes = float(row["covered_min"])
    if row["lidded"] == "1":
        # A cold pot has to be warmed first; a hot one that usually starts cold has not.
        usual_cold = row["empty_preheat"] == "0"
        minutes += 15 * (preheated == "none" and not usual_cold) - 18 * (preheated == "whole" and usual_cold)
        minutes += 6 * (preheated == "hob")
    return float(minutes * scale)


def done_of(went: Baked, core_c: float, colour: float, loss: float) -> Done:
    """When each sign of done is reached in a bake.

    Parameters
    ----------
    went : a simulated bake
    core_c : core temperature, C, 0-105
    colour : browning index, 0 (raw) to 100 (black)
    loss : water lost over the dough, a fraction, 0-.4

    Returns
    -------
    Minutes from loading, none for what is not reached.
    """
    return Done(
        core_c,
        colour,
        loss,
        went.minute_of("core", core_c),
        went.minute_of("colour", colour),
        went.minute_of("loss", loss),
    )
