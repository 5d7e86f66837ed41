"""A fired oven's afternoon: how it falls as it stands and as it bakes, and which bread has its turn when."""

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Literal

from gentle_crust.core import limits
from gentle_crust.core.errors import within
from gentle_crust.core.messages import Message, message
from gentle_crust.core.oven.bake import Bake, bake
from gentle_crust.core.oven.equipment import Oven, Vessel, shape_row, vessel_row
from gentle_crust.core.oven.kit import Fired, InVessel, OvenHeat, OvenStage, Preheat
from gentle_crust.core.oven.loaf import Loaf
from gentle_crust.core.oven.staged import FIRED_K, Want, cooler_k, draft

LONGEST_MIN, EVERY_MIN = 470, 10
"""So long is looked ahead, and so often a standing oven is told."""
REST_MIN, COMES_BACK = 25, 0.5
"""After a load the floor has so long to come back, and comes back by this share of what it fell (practice)."""
FOLLOWS_MIN = 100.0
"""A bare floor of brick comes so fast to its dome's heat: 230 kJ/m2 K, and what shines at 300 C (estimated)."""
NEAR_K, THIN_K = 20.0, 130.0
"""A floor within this of what a bread likes suits it; flat rounds are baked on one so much hotter, too (practice)."""
SHUT_MIN, AJAR_K_H = 45.0, 45.0
"""Who would wait longer than this leaves the door ajar: floor and dome fall by so much more an hour (practice)."""
TOO_COOL_K = 40.0
"""Further below than this it bakes another bread (practice)."""
Suits = Literal["now", "later", "slowly", "no_more", "not_today"]


@dataclass(frozen=True)
class FiredHeat:
    """Floor and dome (C) so many minutes after the oven was measured."""

    min: float
    floor_c: float
    dome_c: float


@dataclass(frozen=True)
class Bread:
    """What is to be baked: its key, its name, a piece of it, and how many."""

    id: str
    name: str
    loaf: Loaf
    pieces: int


@dataclass(frozen=True)
class Turn:
    """A bread's turn: the floor that it likes (C), when it is loaded and comes out (min), None if it has none.

    ``ajar``: whether the door is left ajar until then.
    """

    id: str
    name: str
    floor_c: float
    suits: Suits
    from_min: float | None
    to_min: float | None
    ajar: bool = False


@dataclass(frozen=True)
class Afternoon:
    """How a fired oven falls, and each bread's turn, the one that likes it hottest first."""

    stands: tuple[FiredHeat, ...]
    turns: tuple[Turn, ...]


def likes_c(loaf: Loaf) -> float:
    """The floor (C) on which a loaf is begun in a fired oven; a tin stands on it, and is begun cooler.

    Parameters
    ----------
    loaf : one piece as it is loaded: dough (g, 30-5000), hydration (a fraction, .45-1.2), warmth (C), shape

    Returns
    -------
    C (practice).
    """
    heat = float(vessel_row(_stands_in(loaf).kind)["covered_c"])
    return heat + float(shape_row(loaf.shape)["setpoint_shift_c"]) + FIRED_K - cooler_k(loaf)


def afternoon(oven: Oven, fired: Fired, breads: Iterable[Bread], altitude_m: float = 0.0) -> Afternoon:
    """One load of each bread after another, each as the floor has fallen to what it likes.

    Raises CraftError for heat that no oven has.

    Parameters
    ----------
    oven : the oven as its baker describes it: kind, litres (10-2000), watts, offset (K)
    fired : floor and dome (C, to 550) of a fired oven, and minutes since raking out
    breads : breads in the order in which they are baked
    altitude_m : height above the sea, m, 0-5000

    Returns
    -------
    Each bread with its bake, and when it goes in.
    """
    within("floor_c", limits.FIRED_C, fired.floor_c)
    within("dome_c", limits.FIRED_C, fired.dome_c)
    breads = tuple(breads)
    told, turns, now = [FiredHeat(0.0, fired.floor_c, fired.dome_c)], [], 0.0
    for bread in sorted(breads, key=lambda each: (-likes_c(each.loaf), each.name)):
        likes = likes_c(bread.loaf)
        if fired.floor_c < likes - TOO_COOL_K:
            turns.append(Turn(bread.id, bread.name, likes, "no_more", None, None))
            continue
        most = likes + (THIN_K if bread.loaf.shape == "flat_round" else NEAR_K)
        waited = standing(oven, fired, LONGEST_MIN - now, until_c=most)
        ajar = waited[-1].min > SHUT_MIN
        if ajar:
            waited = standing(oven, fired, LONGEST_MIN - now, most, AJAR_K_H)
        if waited[-1].floor_c > most:
            turns.append(Turn(bread.id, bread.name, likes, "not_today", None, None))
            continue
        told += [FiredHeat(now + each.min, each.floor_c, each.dome_c) for each in waited[1:]]
        start = now + waited[-1].min
        fired = _later(fired, waited[-1].floor_c, waited[-1].dome_c, waited[-1].min)
        made = draft(bread.loaf, bread.pieces, _stands_in(bread.loaf), oven, Want(fired=fired), altitude_m)
        slow = fired.floor_c < likes - NEAR_K
        suits: Suits = "slowly" if slow else "later" if start > 0 else "now"
        turns.append(Turn(bread.id, bread.name, likes, suits, round(start), round(start + made.bake.minutes), ajar))
        fell = max(fired.floor_c - made.baked.end("vessel"), 0.0) if made.bake.vessel.kind == "oven_floor" else 0.0
        dome = min(made.baked.end("wall"), fired.dome_c)
        now = start + made.bake.minutes
        told.append(FiredHeat(now, round(fired.floor_c - fell, 1), round(dome, 1)))
        now += REST_MIN
        floor = min(fired.floor_c - fell * (1 - COMES_BACK), dome + FIRED_K)
        fired = _later(fired, floor, dome, made.bake.minutes + REST_MIN)
        told.append(FiredHeat(now, round(floor, 1), round(dome, 1)))
        if now >= LONGEST_MIN:
            break
    done = {turn.id for turn in turns}
    late = [
        Turn(each.id, each.name, likes_c(each.loaf), "not_today", None, None) for each in breads if each.id not in done
    ]
    return Afternoon(tuple(told), (*turns, *late))


def standing(
    oven: Oven, fired: Fired, minutes: float, until_c: float = 0.0, falls_k_h: float = 0.0
) -> tuple[FiredHeat, ...]:
    """The oven empty, every ten minutes, for so long or until its floor has fallen to ``until_c``.

    Shut, or with its door ajar so that it falls by ``falls_k_h`` more, K an hour.

    Parameters
    ----------
    oven : the oven as its baker describes it: kind, litres (10-2000), watts, offset (K)
    fired : floor and dome (C, to 550) of a fired oven, and minutes since raking out
    minutes : minutes
    until_c : temperature of the floor at which to end, C
    falls_k_h : by how much the dome falls, K an hour

    Returns
    -------
    Floor and dome, C, by ten minutes.
    """
    first = FiredHeat(0.0, round(fired.floor_c, 1), round(fired.dome_c, 1))
    if fired.floor_c <= until_c or minutes < EVERY_MIN:
        return (first,)
    half = OvenStage(minutes / 2, max(fired.dome_c, 100.0))
    # A crumb of dough by itself takes no heat to speak of.
    went = bake(Bake(
        Loaf(30.0, shape="roll"), InVessel("oven_floor"), OvenHeat("wood", volume_l=oven.volume_l, fired=fired),
        Preheat(half.setpoint_c, 0), (half, half),
    ))  # fmt: skip
    found, floor = [first], fired.floor_c
    for minute in range(1, int(minutes) + 1):
        dome = went.at("wall", float(minute)) - falls_k_h * minute / 60
        floor += (dome - floor) / FOLLOWS_MIN - falls_k_h / 120
        if floor <= until_c or minute % EVERY_MIN == 0:
            found.append(FiredHeat(float(minute), round(floor, 1), round(dome, 1)))
        if floor <= until_c:
            break
    return tuple(found)


def _later(fired: Fired, floor_c: float, dome_c: float, minutes: float) -> Fired:
    """The oven so many minutes later."""
    return Fired(floor_c, dome_c, min(fired.soaked_min + minutes, limits.FIRED_SOAK_MIN.high))


def _stands_in(loaf: Loaf) -> Vessel:
    """On the floor itself, or in a tin on it."""
    kind = "tin" if loaf.shape == "pan_loaf" else "oven_floor"
    return Vessel(kind, kind, "", count=99)


def floor_says(floor_c: float) -> Message:
    """What a pinch of flour does on a floor of that heat (practice).

    Parameters
    ----------
    floor_c : temperature of the floor, C, 0-550

    Returns
    -------
    A sentence.
    """
    code = "black" if floor_c > 330 else "quick" if floor_c > 270 else "brown" if floor_c > 220 else "slow"
    return message(f"floor-flour-{code}")
