"""What a change would have made of the very bake: its dough and its heat gone through again, by the engines."""

from dataclasses import dataclass, replace

import numpy as np

from gentle_crust.core.diagnosis.record import Record
from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.dough import Dough, FlourPart, Makeup, makeup
from gentle_crust.core.fermentation.engine import Leg, State, Trace, begin, handled, run
from gentle_crust.core.fermentation.targets import share_of_greatest
from gentle_crust.core.oven.bake import Bake, bake
from gentle_crust.core.oven.equipment import vessel_row
from gentle_crust.core.oven.kit import InVessel, OvenHeat, OvenStage, Preheat, Steam
from gentle_crust.core.oven.loaf import Loaf

PIECE_G, USUAL_DOUGH_C, USUAL_ROOM_C, USUAL_BULK_H, FRIDGE_C = 850.0, 24.0, 21.0, 4.0, 4.0
"""Of a bake of which no more is known (practice)."""
FACTORS = np.geomspace(0.1, 8.0, 73)
"""Activities of the leaven that are tried for the one with which the dough rose as it did."""
ROUND_MIN = 5
LONGEST_H = 40.0


@dataclass(frozen=True)
class Known:
    """What is known of a bake beyond its record: its dough, the weight of a piece (g), and its bake as it was set.

    ``oven_taught``: the chamber's temperature was not read, but is what other bakes have taught of the oven.
    """

    dough: Makeup | None = None
    piece_g: float = PIECE_G
    bake: Bake | None = None
    oven_taught: bool = False


NOTHING_MORE = Known()


def _of_usual_make(r: Record) -> Makeup:
    """A dough as is usual for its leaven: 70 % water; ripe levain of 18 % of the flour, or 1 % of instant yeast."""
    rye = (r.rye_percent or 0.0) / 100
    flours = tuple(
        part for part in (FlourPart("strong_white", 1000 * (1 - rye)), FlourPart("rye", 1000 * rye)) if part.g
    )
    yeast = {"yeast": 10.0, "mixed": 3.0}.get(r.leaven or "", 0.0)
    levain = 0.0 if r.leaven == "yeast" else 440.0
    salt, sugar = 12.2 * (r.salt_percent if r.salt_percent is not None else 2.0), 12.2 * (r.sugar_percent or 0.0)
    return makeup(Dough(flours, 634.0, salt, sugar, instant_yeast_g=yeast, levain_g=levain))


@dataclass(frozen=True)
class _Risen:
    """A dough of a record: its makeup, with the leaven as lively as it showed itself, and its bulk gone on and on."""

    made: Makeup
    piece_g: float
    bulk: Trace
    room_c: float

    def at(self, hours: float) -> State:
        """The dough so many hours into its bulk."""
        leg = self._leg(max(hours, 0.1))
        return run(self.made, begin(self.made, float(self.bulk.dough_c[0]), 1), leg, np.ones(1)).end()

    def hours_to(self, rise: float) -> float | None:
        """Hours of bulk until a rise (a fraction); None if it never comes to it."""
        found = float(self.bulk.hours_to(rise)[0])
        return None if np.isnan(found) else found

    def _leg(self, hours: float) -> Leg:
        return Leg(hours, np.array([self.room_c]), "covered_bowl", self.piece_g, greatest_rise(self.made, "bulk"))


def _risen(r: Record, known: Known, dough_c: float | None = None, vigour: float | None = None) -> _Risen:
    """The record's dough; with another temperature or vigour than it had, if one is given."""
    made = known.dough or _of_usual_make(r)
    start = r.dough_c if r.dough_c is not None else USUAL_DOUGH_C
    room = r.room_c if r.room_c is not None else USUAL_ROOM_C
    hours = r.bulk_hours or USUAL_BULK_H
    lively = r.leaven_vigour or 1.0
    if r.bulk_rise is not None and r.bulk_rise > 0 and r.bulk_hours:
        leg = Leg(hours, np.array([room]), "covered_bowl", known.piece_g, greatest_rise(made, "bulk"))
        rises = run(made, begin(made, start, len(FACTORS)), leg, FACTORS).rise[-1]
        lively = float(np.interp(r.bulk_rise, np.maximum.accumulate(rises), FACTORS))
    if vigour is not None:
        lively = lively * vigour / (r.leaven_vigour or 1.0)
    made = replace(made, liveliness=made.liveliness * lively)
    start = start if dough_c is None else dough_c
    long = Leg(LONGEST_H, np.array([room]), "covered_bowl", known.piece_g, greatest_rise(made, "bulk"))
    return _Risen(made, known.piece_g, run(made, begin(made, start, 1), long, np.ones(1)), room)


def _rounded(minutes: float) -> float:
    return float(round(minutes / ROUND_MIN) * ROUND_MIN)


def _proofed(dough: _Risen, r: Record, bulk_h: float, more_h: float = 0.0) -> float:
    """The share of its greatest volume with which it would be loaded after so much bulk, and the proof that it had."""
    state = handled(dough.made, dough.at(bulk_h), "gentle_shape")
    holds = greatest_rise(dough.made, "tin" if r.vessel == "tin" else "free_standing")
    cold = r.cold_hours or 0.0
    warm = max((r.proof_hours if r.proof_hours is not None else cold + 1.5) - cold, 0.0) + more_h
    rise = 0.0
    for hours, ambient in ((warm, dough.room_c), (cold, FRIDGE_C)):
        if hours > 0:
            leg = Leg(hours, np.array([ambient]), "banneton", dough.piece_g, holds, fridge=ambient == FRIDGE_C)
            trace = run(dough.made, state, leg, np.ones(1))
            state, rise = trace.end(), float(trace.rise[-1, 0])
    return float(share_of_greatest(np.array(rise), holds))


def usual_rise(r: Record, known: Known = NOTHING_MORE) -> float | None:
    """The rise (a fraction) that a dough of usual warmth with a usual leaven comes to in the hours that its bulk had.

    Parameters
    ----------
    r : the bake as logged
    known : what is known of its dough beyond the record

    Returns
    -------
    A fraction; None without the hours, or of a dough without leaven.
    """
    made = known.dough or (_of_usual_make(r) if r.leaven is not None else None)
    if r.bulk_hours is None or r.bulk_hours <= 0 or made is None:
        return None
    leg = Leg(r.bulk_hours, np.array([USUAL_ROOM_C]), "covered_bowl", known.piece_g, greatest_rise(made, "bulk"))
    return float(run(made, begin(made, USUAL_DOUGH_C, 1), leg, np.ones(1)).rise[-1, 0])


def longer_bulk(r: Record, rise: float, known: Known = NOTHING_MORE) -> dict[str, float]:
    """Bulk to another rise.

    Parameters
    ----------
    r : the bake as logged
    rise : the rise wanted, a fraction
    known : what is known of its dough beyond the record

    Returns
    -------
    ``more_min`` of bulk (shorter: negative); ``share`` at loading after the same proof, and ``share_was``; where that
    is too far, ``proof_less_min`` by which the proof is shorter instead. What cannot be reckoned is left out.
    """
    if r.bulk_rise is None or r.bulk_rise <= 0 or r.bulk_hours is None:
        return {}
    dough = _risen(r, known)
    hours = dough.hours_to(rise)
    if hours is None:
        return {}
    found = {"more_min": _rounded(60 * (hours - r.bulk_hours))}
    was, becomes = _proofed(dough, r, r.bulk_hours), _proofed(dough, r, hours)
    found |= _shares(r, was, becomes)
    if found["share"] > max(found["share_was"], PROOFED_ENOUGH):
        found |= _sooner(dough, r, hours, was)
    return found


PROOFED_ENOUGH = 0.8
"""From this share on a loaf that would go in riper still is to go in sooner instead (practice)."""


def _sooner(dough: _Risen, r: Record, bulk_h: float, share: float) -> dict[str, float]:
    """By how many minutes the proof is shorter with which it goes in at that share after so much bulk."""
    tried = np.linspace(-3.0, 0.0, 19)
    shares = np.maximum.accumulate([_proofed(dough, r, bulk_h, float(more)) for more in tried])
    less = _rounded(-60 * float(np.interp(share, shares, tried)))
    return {"proof_less_min": less} if less > 0 else {}


def _shares(r: Record, was: float, becomes: float) -> dict[str, float]:
    """Shares at loading, put where the record saw the first of them."""
    if r.proof_share is None:
        return {"share_was": round(min(was, 1.0), 2), "share": round(min(becomes, 1.0), 2)}
    seen = r.proof_share.likely
    return {"share_was": round(seen, 2), "share": round(float(np.clip(seen + becomes - was, 0.3, 1.0)), 2)}


def longer_proof(r: Record, share: float, known: Known = NOTHING_MORE) -> dict[str, float]:
    """Proof to another share.

    Parameters
    ----------
    r : the bake as logged
    share : the share of the greatest volume wanted at loading, 0-1
    known : what is known of its dough beyond the record

    Returns
    -------
    ``more_min`` of proof in the room (shorter: negative), with ``share_was``; empty if the record has no share.
    """
    if r.proof_share is None:
        return {}
    dough = _risen(r, known)
    bulk = r.bulk_hours or USUAL_BULK_H
    had = max((r.proof_hours or 0.0) - (r.cold_hours or 0.0), 0.0) if r.proof_hours is not None else 1.5
    tried = np.linspace(-had, 5.0, 23)
    shares = np.array([_proofed(dough, r, bulk, float(more)) for more in tried])
    offset = r.proof_share.likely - float(np.interp(0.0, tried, shares))
    grown = np.maximum.accumulate(shares + offset)
    if not grown[0] <= share <= grown[-1]:
        return {"share_was": round(r.proof_share.likely, 2)}
    more = float(np.interp(share, grown, tried))
    return {"more_min": _rounded(60 * more), "share_was": round(r.proof_share.likely, 2)}


def bulk_at(r: Record, dough_c: float, known: Known = NOTHING_MORE) -> dict[str, float]:
    """Bulk of the same dough begun at another temperature (C), to the rise that is wanted.

    Parameters
    ----------
    r : the bake as logged
    dough_c : temperature of the dough, C, 15-43
    known : what is known of its dough beyond the record

    Returns
    -------
    ``bulk_min`` and ``bulk_was_min``; what is not reached in 40 h is left out.
    """
    return _bulks(r, _risen(r, known), _risen(r, known, dough_c=dough_c))


def bulk_with(r: Record, vigour: float, known: Known = NOTHING_MORE) -> dict[str, float]:
    """Bulk of the same dough with a leaven of another vigour, to the rise that is wanted.

    Parameters
    ----------
    r : the bake as logged
    vigour : of the leaven, 1 is usual
    known : what is known of its dough beyond the record

    Returns
    -------
    ``bulk_min`` and ``bulk_was_min``; what is not reached in 40 h is left out.
    """
    return _bulks(r, _risen(r, known), _risen(r, known, vigour=vigour))


def _bulks(r: Record, was: _Risen, becomes: _Risen) -> dict[str, float]:
    wanted = r.bulk_wanted if r.bulk_wanted is not None else 0.5
    hours = {"bulk_was_min": was.hours_to(wanted), "bulk_min": becomes.hours_to(wanted)}
    return {name: _rounded(60 * found) for name, found in hours.items() if found is not None}


def _bake_of(r: Record, known: Known) -> Bake | None:
    """The bake of a record; None if its minutes are not known, or its vessel is none of the table."""
    if known.bake is not None:
        return known.bake
    vessel = r.vessel or "tray"
    try:
        lidded = vessel_row(vessel)["lidded"] == "1"
    except (CraftError, KeyError):
        return None
    if r.baked_min is None:
        return None
    heat = r.chamber_c if r.chamber_c is not None else r.set_c if r.set_c is not None else 230.0
    steamed = min(r.steam_min if r.steam_min is not None else 0.45 * r.baked_min, r.baked_min - 1)
    stages = (OvenStage(max(steamed, 1.0), heat, covered=lidded), OvenStage(r.baked_min - max(steamed, 1.0), heat))
    start = r.core_at_load_c if r.core_at_load_c is not None else 6.0 if r.cold_hours else 23.0
    steam = (Steam("hot_pan"),) if not lidded and r.steam != "none" else ()
    loaf = Loaf(known.piece_g, start_c=start, shape="pan_loaf" if vessel == "tin" else "boule")
    soak = r.preheat_min if r.preheat_min is not None else r.soak_min or 45.0
    return Bake(loaf, InVessel(vessel), OvenHeat(), Preheat(heat, soak), stages, steam)


LINES = {"core_c": "core", "colour": "colour", "base_colour": "base_colour", "loss_fraction": "loss"}
PLACES = {"core_c": 0, "colour": 0, "base_colour": 0, "loss_fraction": 3}


def baked_with(
    r: Record, known: Known = NOTHING_MORE, *, hotter_k: float = 0.0, preheat_min: float | None = None,
    steam_min: float | None = None,
) -> dict[str, float]:  # fmt: skip
    """The same bake hotter by so many K, its oven heated for longer, or its steam let out at another minute.

    Parameters
    ----------
    r : the bake as logged
    known : what is known of it beyond the record
    hotter_k : K added to each set point
    preheat_min : minutes that oven and vessel are heated
    steam_min : minutes until the steam is let out or the lid taken off

    Returns
    -------
    Colours (0-100), loss (share) and core (C) as it came out, each moved from what was logged by what the simulation
    says; what was not logged is the simulation's own. Empty if there is nothing to simulate.
    """
    question = _bake_of(r, known)
    if question is None:
        return {}
    stages = tuple(replace(each, setpoint_c=each.setpoint_c + hotter_k) for each in question.stages)
    if steam_min is not None and len(stages) > 1:
        rest = max(sum(each.minutes for each in stages) - steam_min, 1.0)
        stages = (replace(stages[0], minutes=steam_min), replace(stages[-1], minutes=rest))
    preheat = replace(question.preheat, setpoint_c=question.preheat.setpoint_c + hotter_k)
    if preheat_min is not None:
        preheat = replace(preheat, minutes=preheat_min)
    try:
        was, becomes = bake(question), bake(replace(question, stages=stages, preheat=preheat))
    except CraftError:
        return {}
    return {name: _moved(r, name, was.end(line), becomes.end(line)) for name, line in LINES.items()}


def longer_baked(r: Record, core_c: float, known: Known = NOTHING_MORE) -> dict[str, float]:
    """The same bake until its core has so many C.

    Parameters
    ----------
    r : the bake as logged
    core_c : core wanted, C
    known : what is known of it beyond the record

    Returns
    -------
    ``more_min`` in the oven (shorter: negative), colour and loss then; empty without minutes and core of the record.
    """
    question = _bake_of(r, known)
    if question is None or r.core_c is None or r.baked_min is None:
        return {}
    last = replace(question.stages[-1], minutes=question.stages[-1].minutes + 30)
    try:
        found = bake(replace(question, stages=(*question.stages[:-1], last)))
    except CraftError:
        return {}
    end = r.baked_min
    # The core as it would have been read, put where the thermometer saw it.
    off = r.core_c - found.at("core", end)
    at = found.minute_of("core", core_c - off)
    if at is None:
        return {}
    at = max(at, 0.3 * end) if at < end else at
    return {
        "more_min": float(round(at - end)),
        **{
            name: _moved(r, name, found.at(LINES[name], end), found.at(LINES[name], at))
            for name in ("colour", "loss_fraction")
        },
    }


def _moved(r: Record, name: str, was: float, becomes: float) -> float:
    logged = getattr(r, name)
    value = becomes if logged is None else logged + becomes - was
    most = 0.6 if name == "loss_fraction" else 100.0
    return round(float(np.clip(value, 0.0, most)), PLACES[name])


def held_with(r: Record, folds: float, known: Known = NOTHING_MORE) -> dict[str, float]:
    """How much higher the dough can rise with so many sets of folds in place of those that it had.

    Parameters
    ----------
    r : the bake as logged
    folds : sets of folds
    known : what is known of its dough beyond the record

    Returns
    -------
    ``holds_more``, a share of what it held; empty if the folds are not known.
    """
    if r.folds_done is None or not r.folds_planned:
        return {}
    made = known.dough or _of_usual_make(r)
    was, becomes = (
        greatest_rise(replace(made, folded=min(each / r.folds_planned, 1.0)), "free_standing")
        for each in (r.folds_done, folds)
    )
    return {"holds_more": round(becomes / was - 1, 2)}
