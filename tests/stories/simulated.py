"""Bakes lived through by the engines with one thing gone wrong, read with errors: the truth is known, the record errs.

What is seen of a loaf follows from how its dough and its bake truly were, by the rules below; they were written before
any diagnosis was run on such a bake, and know nothing of the diagnosis's own tables.
"""

from dataclasses import dataclass

import numpy as np

from gentle_crust.core.diagnosis.record import Record, ShareLogged
from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.dough import Dough, FlourPart, makeup
from gentle_crust.core.fermentation.engine import Leg, begin, handled, run
from gentle_crust.core.fermentation.targets import share_of_greatest
from gentle_crust.core.oven.bake import Bake, bake
from gentle_crust.core.oven.kit import InVessel, OvenHeat, OvenStage, Preheat, Steam
from gentle_crust.core.oven.loaf import Loaf

WRONG = (
    "bulk_under", "bulk_over", "proof_under", "proof_over", "leaven_weak", "dough_cold", "dough_warm", "gluten_under",
    "oven_cool", "oven_hot", "oven_unsoaked", "out_early", "out_late", "cut_hot", "steam_missing", "score_poor",
)  # fmt: skip
WANTED, SET_C, SOAK_MIN, BAKED_MIN, LID_MIN = 0.6, 215.0, 45.0, 40.0, 20.0
LEFT_OUT = 0.2
"""Share of figures that nobody wrote down."""


@dataclass(frozen=True)
class Lived:
    """A bake: what went wrong with it, what was logged, and the faults that were seen."""

    wrong: str
    record: Record
    seen: tuple[str, ...]


@dataclass(frozen=True)
class _True:
    """How it truly was."""

    dough_c: float
    vigour: float
    bulk_h: float
    rise: float
    share: float
    core: float
    colour: float
    base: float
    loss: float
    dark_min: float | None


def lived(wrong: str, seed: int) -> Lived:
    """One bake with that gone wrong, baked again with the next seed until something of it can be seen."""
    for more in range(60):
        rng = np.random.default_rng([seed, more, WRONG.index(wrong)])
        found = _baked(wrong, rng)
        if found.seen:
            return found
    raise AssertionError(f"nothing is ever seen of {wrong}")


def _baked(wrong: str, rng: np.random.Generator) -> Lived:
    u = rng.uniform
    dough_c, room_c, vigour = u(23.5, 26), u(20, 24), u(0.85, 1.15)
    folds, folded = 4, 1.0
    if wrong == "dough_cold":
        dough_c, room_c = u(17, 19.5), u(17, 19)
    if wrong == "dough_warm":
        dough_c, room_c = u(29.5, 32), u(26, 29)
    if wrong == "leaven_weak":
        vigour = u(0.4, 0.6)
    if wrong == "gluten_under":
        folds = int(rng.integers(0, 2))
        folded = folds / 4
    dough = Dough((FlourPart("strong_white", 820.0), FlourPart("whole_wheat", 80.0)), 640.0, 20.0, levain_g=200.0)
    made = makeup(dough)
    holds = greatest_rise(made, "bulk")
    by_clock = _hours(made, holds, 24.5, 22.0, 1.0, WANTED)
    part = {"bulk_under": u(0.35, 0.6), "bulk_over": u(1.55, 2.0)}.get(wrong, u(0.92, 1.08))
    stopped_by_clock = wrong in ("dough_cold", "dough_warm", "leaven_weak")
    bulk_h = by_clock if stopped_by_clock else _hours(made, holds, dough_c, room_c, vigour, WANTED * part)
    leg = Leg(bulk_h, np.array([room_c]), "covered_bowl", 850.0, holds)
    bulk = run(made, begin(made, dough_c, 1), leg, np.array([vigour]))
    rise = float(bulk.rise[-1, 0])
    share, proof_h = _proof(made, bulk.end(), wrong, folded, room_c, vigour, rng)
    set_c, chamber = SET_C, SET_C + u(-4, 4)
    if wrong in ("oven_cool", "oven_hot"):
        chamber = SET_C + (-1 if wrong == "oven_cool" else 1) * u(24, 36)
    preheat = SOAK_MIN * (u(0.15, 0.35) if wrong == "oven_unsoaked" else u(1.0, 1.3))
    minutes = BAKED_MIN + {"out_early": -u(11, 15), "out_late": u(16, 26)}.get(wrong, u(-1, 1))
    steamed = wrong != "steam_missing"
    stages = (OvenStage(LID_MIN, chamber), OvenStage(minutes - LID_MIN, chamber))
    steam = (Steam("hot_pan"),) if steamed else ()
    went = bake(
        Bake(Loaf(850.0, start_c=22.0), InVessel("stone"), OvenHeat(), Preheat(chamber, preheat), stages, steam)
    )
    true = _True(
        dough_c, vigour, bulk_h, rise, share, went.end("core"), went.end("colour"), went.end("base_colour"),
        went.end("loss"), went.minute_of("colour", 60.0),
    )  # fmt: skip
    cooled = u(8, 30) if wrong == "cut_hot" else u(95, 180)
    scored = str(rng.choice(["none", "shallow"])) if wrong == "score_poor" else "good"
    return Lived(wrong, _record(true, rng, room_c=room_c, proof_h=proof_h, folds=folds, preheat=preheat, set_c=set_c,
                                chamber=chamber, steamed=steamed, minutes=minutes, cooled=cooled, scored=scored),
                 _seen(true, rng, folded, steamed, cooled, scored))  # fmt: skip


def _hours(made, holds, dough_c, room_c, vigour, rise):
    """Hours of bulk to a rise."""
    leg = Leg(36.0, np.array([room_c]), "covered_bowl", 850.0, holds)
    found = float(run(made, begin(made, dough_c, 1), leg, np.array([vigour])).hours_to(rise)[0])
    return 36.0 if np.isnan(found) else found


def _proof(made, state, wrong, folded, room_c, vigour, rng):
    """Proof by its look to .71-.78 of what it can hold; by the clock where the leaven, or its warmth, is wrong.

    What it can hold is worn down to the peak that it really comes to. Back come the share, and the hours.
    """
    shaped = handled(made, state, "gentle_shape")
    fresh = greatest_rise(made, "free_standing")
    leg = Leg(14.0, np.array([room_c]), "banneton", 850.0, fresh)
    trace = run(made, shaped, leg, np.array([vigour]))
    peak = max(float(trace.rise.max()), 0.3)
    if wrong == "proof_over":
        hours = float(trace.hours_to(rng.uniform(0.95, 0.995) * (1 + peak) - 1)[0])
    else:
        hours = float(trace.hours_to(rng.uniform(0.71, 0.78) * (1 + fresh) - 1)[0])
    hours = 0.25 if np.isnan(hours) else max(hours, 0.25)
    if wrong == "proof_under":
        hours = rng.uniform(0.1, 0.3)
    if wrong in ("dough_cold", "leaven_weak", "bulk_under"):
        hours = min(hours, 1.5)  # by the clock: so it was the last time
    if wrong in ("dough_warm", "bulk_over"):
        hours = max(hours, 1.0)
    rise = float(np.interp(hours, trace.hours, trace.rise[:, 0]))
    holds = float(np.interp((1 + rise) / (1 + peak), [0.8, 0.95], [fresh, peak]))
    return float(share_of_greatest(np.array(rise), holds)), hours


def _record(true, rng, *, room_c, proof_h, folds, preheat, set_c, chamber, steamed, minutes, cooled, scored) -> Record:
    """What was logged: each figure with the error of eye, thermometer or scale, and a fifth of them left out."""
    n = rng.normal
    share = float(np.clip(true.share + n(0, 0.045), 0.3, 1.0))
    figures = {
        "dough_c": true.dough_c + n(0, 0.5), "room_c": room_c + n(0, 0.7),
        "leaven_vigour": max(true.vigour * float(np.exp(n(0, 0.12))), 0.1),
        "bulk_rise": max(true.rise * float(np.exp(n(0, 0.1))), 0.05), "bulk_hours": true.bulk_h + n(0, 0.1),
        "proof_share": ShareLogged(max(share - 0.08, 0.2), share, min(share + 0.08, 1.0)), "proof_hours": proof_h,
        "folds_done": folds, "preheat_min": preheat + n(0, 3), "chamber_c": chamber + n(0, 5),
        "core_c": true.core + n(0, 0.7), "colour": float(np.clip(true.colour + n(0, 5), 0, 100)),
        "base_colour": float(np.clip(true.base + n(0, 6), 0, 100)), "loss_fraction": max(true.loss + n(0, 0.006), 0.02),
        "cooled_min": cooled + n(0, 3), "scored": scored, "steam": "good" if steamed else "none",
    }  # fmt: skip
    kept = {name: value for name, value in figures.items() if rng.random() > LEFT_OUT}
    return Record(
        leaven="levain", bulk_wanted=WANTED, folds_planned=4, soak_min=SOAK_MIN, set_c=set_c, baked_min=minutes,
        steam_min=LID_MIN, vessel="stone", **kept,
    )  # fmt: skip


def _seen(true: _True, rng, folded: float, steamed: bool, cooled: float, scored: str) -> tuple[str, ...]:
    """Faults that a baker sees of such a loaf: chances by how it was."""
    b, s = true.rise / WANTED, true.share
    chances = {
        "dense_tight": 0.85 * (b < 0.7 or s < 0.665), "tight_wild_holes": 0.5 * (b < 0.65),
        "side_burst": 0.75 * (s < 0.665) or 0.6 * (scored != "good"),
        "spread": 0.7 * (s > 0.92 or b > 1.5) or 0.75 * (folded < 0.5),
        "caved_in": 0.6 * (s > 0.93), "too_sour": 0.6 * (b > 1.5),
        "no_ear": 0.7 * (s > 0.92) or 0.85 * (scored != "good") or 0.6 * (not steamed),
        "pale_top": 0.9 * (true.colour < 48), "base_pale": 0.85 * (true.base < 26),
        "dark_early": 0.9 * (true.dark_min is not None and true.dark_min < 30),
        "base_burnt": 0.6 * (true.base > 70),
        "gummy": 0.9 * (true.core < 92) or 0.9 * (cooled < 45),
        "crust_hard": 0.8 * (true.loss > 0.155), "dry_crumb": 0.6 * (true.loss > 0.165),
        "dull_crust": 0.85 * (not steamed), "crust_soft": 0.5 * (true.core < 92),
    }  # fmt: skip
    return tuple(fault for fault, chance in chances.items() if rng.random() < chance)
