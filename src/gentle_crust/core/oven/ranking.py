"""Every way to bake a loaf that the baker's kit allows: simulated, weighed against what is wanted, and said why."""

from collections.abc import Iterable
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass, replace
from math import ceil
from operator import itemgetter
from typing import Literal

import numpy as np

from gentle_crust.core.messages import NOTHING, Message, message
from gentle_crust.core.oven.doneness import shade, sign_of
from gentle_crust.core.oven.equipment import Oven, Vessel, fits, vessel_row
from gentle_crust.core.oven.hazards import Hazard, hazards
from gentle_crust.core.oven.kit import Fired, Preheated, row_of
from gentle_crust.core.oven.loaf import Loaf
from gentle_crust.core.oven.profile import RECOVERY_MIN
from gentle_crust.core.oven.staged import BEST_STEAM, Crust, Draft, Want, draft, usual_preheat

Wish = Literal["usual", "thin", "thick", "soft", "tall", "shiny", "many", "little_work"]
CRITERIA = ("spring", "crust", "shine", "evenness", "throughput", "effort", "mess", "hazard")
WEIGHTS: dict[Wish, tuple[float, ...]] = {
    "usual": (4, 3, 1, 2, 1, 0.5, 0.4, 0.6),
    "thin": (3, 4, 4, 0.5, 0.5, 0.15, 0.1, 0.15),
    "thick": (2, 6, 0, 2, 0.5, 0.4, 0.3, 0.5),
    "soft": (2, 6, 0, 2, 0.5, 0.4, 0.3, 0.5),
    "tall": (9, 0.8, 1, 0.6, 0.3, 0.1, 0.05, 0.15),
    "shiny": (1.5, 0.8, 9, 0.6, 0.3, 0.1, 0.05, 0.15),
    "many": (1, 2, 0.5, 1, 8, 0.5, 0.3, 0.5),
    "little_work": (1, 1.5, 0.5, 0.5, 1, 6, 4, 2),
}
"""How much each criterion counts for each wish: what was wished decides, work, mess and danger weigh beside it
(practice)."""
CRUST_OF: dict[Wish, Crust] = {"thin": "thin", "thick": "thick", "soft": "soft"}
_THICK_MM: dict[Crust, float] = {"usual": 4.0, "thin": 2.5, "thick": 6.0, "soft": 1.5}
_USUAL = 2.0
"""A near tie goes to the usual way of heating a vessel."""
_FLATTEST, _TALLEST = 60.0, 90.0
"""Spring indices of the flattest and of the tallest loaves that can be told apart by eye."""
_DULL, _SHINES, _SETS_MIN = 0.15, 0.7, 8.0
"""Shares of steam that leave a crust dull and make it shine, and for how long it counts (practice)."""
_LIFTED: dict[str, float] = {"effort": 1.5, "mess": 0.0, "hazard": 1.0}
"""What a vessel asks more where it is lifted over a hot floor, beside bread on the floor itself (practice)."""


@dataclass(frozen=True)
class Point:
    """One criterion: 0-5, and the reason in words."""

    criterion: str
    score: float
    why: Message


Serves = Literal["best", "well", "less"]
ALIKE, FAR = 5.0, 20.0
"""Points of the score: nearer to one another no baker could tell two ways apart; farther off, anyone can (practice)."""


@dataclass(frozen=True)
class Way:
    """One vessel with one way to steam. Unfit: why, and nothing else. ``score`` is 0-100 by the wish's weights."""

    key: str
    vessel: Vessel
    preheated: Preheated
    steam: tuple[str, ...]
    unfit: Message = NOTHING
    score: float = 0.0
    points: tuple[Point, ...] = ()
    drawn: Draft | None = None
    all_min: int = 0
    loads: int = 0
    hazards: tuple[Hazard, ...] = ()


def rank(
    loaf: Loaf,
    pieces: int,
    vessels: Iterable[Vessel],
    oven: Oven,
    means: tuple[str, ...],
    wish: Wish = "usual",
    rye: bool = False,
    altitude_m: float = 0.0,
    paper_c: float | None = None,
    fired: Fired | None = None,
) -> tuple[Way, ...]:
    """All ways, the best first, the unfit last. ``means``: ways to steam; ``fired``: how hot a wood oven is.

    Parameters
    ----------
    loaf : one piece as it is loaded: dough (g, 30-5000), hydration (a fraction, .45-1.2), warmth (C), shape
    pieces : number of pieces, 1-400
    vessels : the vessels there are
    oven : the oven as its baker describes it: kind, litres (10-2000), watts, offset (K)
    means : the ways to steam that there are
    wish : what is wished: thin, thick, soft, tall, shiny, many or little work
    rye : share of rye in all flour, 0-1
    altitude_m : height above the sea, m, 0-5000
    paper_c : what the baking paper bears, C; none if there is none
    fired : floor and dome (C, to 550) of a fired oven, and minutes since raking out

    Returns
    -------
    Ways with points, 0-100, and figures.
    """
    asked = [
        (vessel, preheated, steam)
        for vessel in vessels
        for preheated, steam in _options(vessel, oven, loaf.shape, means)
    ]

    def one(option: tuple[Vessel, Preheated, tuple[str, ...]]) -> Way:
        vessel, preheated, steam = option
        key = "+".join((vessel.id, preheated, *steam))
        misfit = fits(vessel, loaf.shape, loaf.dough_g)
        if misfit:
            return Way(key, vessel, preheated, steam, misfit)
        want = Want(CRUST_OF.get(wish, "usual"), rye, steam, True, preheated, fired)
        made = draft(loaf, pieces, vessel, oven, want, altitude_m)
        found = hazards(made.bake, vessel, oven, paper_c if _on_paper(vessel) else None)
        refused = next((hazard.text for hazard in found if hazard.weight == "refused"), NOTHING)
        loads = ceil(pieces / made.per_load)
        every = loads * round(made.bake.minutes) + (loads - 1) * RECOVERY_MIN
        return Way(key, vessel, preheated, steam, refused, 0.0, (), made, every, loads, found)

    with ThreadPoolExecutor(2) as pool:
        ways = list(pool.map(one, asked))
    ways = _once_each_unfit(ways)
    quickest = min((way.all_min for way in ways if not way.unfit), default=1)
    scored = [way if way.unfit else _scored(way, wish, quickest, oven) for way in ways]
    return tuple(
        sorted(
            scored,
            key=lambda way: (bool(way.unfit), -way.score - _USUAL * (way.preheated == usual_preheat(way.vessel))),
        )
    )


def serves(way: Way, ways: Iterable[Way]) -> Serves | None:
    """How well a way serves the wish beside the best of ``ways``; None of one that is unfit.

    Parameters
    ----------
    way : one way to bake: vessel, steam and bake
    ways : all ways beside it

    Returns
    -------
    Points and why, or none.
    """
    if way.unfit:
        return None
    behind = max(each.score for each in ways if not each.unfit) - way.score
    return "best" if behind < ALIKE else "well" if behind < FAR else "less"


def _once_each_unfit(ways: list[Way]) -> list[Way]:
    """A vessel that cannot be used is said once, not with every way to steam."""
    seen: set[str] = set()
    kept = []
    for way in ways:
        mark = f"{way.vessel.id} {way.unfit}"
        if way.unfit and mark in seen:
            continue
        seen.add(mark)
        kept.append(way)
    return kept


def _options(vessel: Vessel, oven: Oven, shape: str, means: tuple[str, ...]) -> list[tuple[Preheated, tuple[str, ...]]]:
    """The ways to use one vessel: hot or cold for a pot, each means of steam for an open bake."""
    if fits(vessel, shape, 30):
        return [(usual_preheat(vessel), ())]
    if vessel_row(vessel.kind)["lidded"] == "1":
        return [("whole", ()), ("none", ())] if usual_preheat(vessel) == "whole" else [("none", ())]
    hot_or_not = usual_preheat(vessel)
    if shape in ("pan_loaf", "flat_round"):
        return [(hot_or_not, ())]
    usable = [kind for kind in BEST_STEAM if kind in means or (kind == "built_in" and oven.kind == "built_in_steam")]
    options: list[tuple[str, ...]] = [(), *((kind,) for kind in usable)]
    if "mist_walls" in means:
        options.append(("mist_walls",))
    if {"hot_stones_and_water", "soaked_towels"} <= set(usable):
        options.append(("hot_stones_and_water", "soaked_towels"))
    return [(hot_or_not, steam) for steam in options]


def _on_paper(vessel: Vessel) -> bool:
    return vessel.kind in ("tray", "perforated_tray", "stone", "steel", "lidded_cast_iron")


def _scored(way: Way, wish: Wish, quickest: int, oven: Oven) -> Way:
    made = way.drawn
    assert made is not None  # noqa: S101 - only the unfit have none
    points = tuple(
        Point(name, round(min(max(score, 0.0), 5.0), 1), why)
        for name, (score, why) in zip(
            CRITERIA,
            (
                _spring(made),
                _crust(made, CRUST_OF.get(wish, "usual")),
                _shine(made),
                _evenness(made, way.vessel, oven),
                _throughput(way, quickest),
                _of_tables(way, "effort", message("point-little-to-do"), oven),
                _of_tables(way, "mess", message("point-nothing-to-clean"), oven),
                _of_tables(way, "hazard", message("point-nothing-hurts"), oven),
            ),
            strict=True,
        )
    )
    weights = WEIGHTS[wish]
    score = sum(weight * point.score for weight, point in zip(weights, points, strict=True)) / sum(weights) * 20
    return replace(way, score=round(score, 1), points=points)


def _spring(made: Draft) -> tuple[float, Message]:
    index, sets = made.baked.end("spring"), made.baked.skin_set_min
    soft = message("point-soft-throughout") if sets is None else message("point-soft-for", minutes=round(sets))
    return (index - _FLATTEST) / (_TALLEST - _FLATTEST) * 5, soft


def _shine(made: Draft) -> tuple[float, Message]:
    """A crust shines if its starch sets in steam: by the mean share of it in what surrounds the loaf at first."""
    minutes = np.linspace(0.5, _SETS_MIN, 16)
    steam = float(np.mean([made.baked.at("vapour", float(minute)) for minute in minutes]))
    code = "point-shines" if steam >= (_DULL + _SHINES) / 2 else "point-dull"
    return (steam - _DULL) / (_SHINES - _DULL) * 5, message(code, percent=round(100 * steam), minutes=round(_SETS_MIN))


def effort_of(way: Way) -> float:
    """What a way asks of the hands, points of the tables.

    Parameters
    ----------
    way : one way to bake: vessel, steam and bake

    Returns
    -------
    Points, 0 and more.
    """
    steam = sum(float(row_of("steam", "steam.kind", kind)["effort"]) for kind in way.steam)
    return float(vessel_row(way.vessel.kind)["effort"]) + steam


def _crust(made: Draft, crust: Crust) -> tuple[float, Message]:
    colour, thick = made.baked.end("colour"), made.baked.end("crust_mm")
    far = abs(colour - made.done.colour) / 8 + abs(thick - _THICK_MM[crust]) / 1.2
    if made.done.minute is None:
        return 0.5, message("point-never-done", sign=sign_of(made.done.last))
    return 5 - far, message("point-crust", shade=shade(colour), mm=round(thick))


def _evenness(made: Draft, vessel: Vessel, oven: Oven) -> tuple[float, Message]:
    top, base = made.baked.end("colour"), made.baked.end("base_colour")
    turned = 0.8 if vessel.kind in ("tray", "perforated_tray") and oven.kind != "electric_fan" else 0.0
    word = (
        message("point-base-paler")
        if base < top - 15
        else message("point-base-darker")
        if base > top + 15
        else message("point-even")
    )
    return 5 - abs(top - base) / 14 - turned, message("point-wants-turning", evenness=word) if turned else word


def _throughput(way: Way, quickest: int) -> tuple[float, Message]:
    return 5 * quickest / max(way.all_min, 1), message("point-loads", count=way.loads, minutes=way.all_min)


def _of_tables(way: Way, column: str, none: Message, oven: Oven) -> tuple[float, Message]:
    vessel = vessel_row(way.vessel.kind)
    over_the_floor = oven.kind == "wood" and way.vessel.kind != "oven_floor"
    more = _LIFTED[column] if over_the_floor else 0.0
    rows = [(float(vessel[column]) + more, message(f"handling-{way.vessel.kind}"))]
    for kind in way.steam:
        row = row_of("steam", "steam.kind", kind)
        rows.append((float(row[column]), message(f"steam-why-{kind}") if kind != "none" else NOTHING))
    top = max(rows, key=itemgetter(0))
    return 5 - sum(points for points, _ in rows), top[1] if top[0] > 0 else none
