"""One change for the next bake: what mends a cause, to what, and what comes of it."""

from dataclasses import dataclass
from typing import Any

from gentle_crust.core.diagnosis.evidence import core_wanted
from gentle_crust.core.diagnosis.record import Record
from gentle_crust.core.diagnosis.simulated import (
    NOTHING_MORE,
    Known,
    baked_with,
    bulk_at,
    bulk_with,
    held_with,
    longer_baked,
    longer_bulk,
    longer_proof,
)
from gentle_crust.core.messages import NOTHING, Message, message
from gentle_crust.core.oven.doneness import shade

READY_SHARE = 0.74
"""Share of its greatest volume at which a loaf is usually ready for the oven (practice)."""
USUAL_C = 25.0


@dataclass(frozen=True)
class NextChange:
    """What to change, to what, what is predicted of it, and a sentence.

    ``predicted``: figures of the next bake (minutes, shares, C), and ``again``: how probably each fault comes again.
    """

    what: str
    to: float | str
    predicted: dict[str, Any]
    text: Message


def change_for(cause: str, record: Record, again: dict[str, float], known: Known = NOTHING_MORE) -> NextChange:
    """The change that mends a cause.

    Parameters
    ----------
    cause : its code
    record : what was logged of the bake
    again : how probably each fault comes again once the cause is gone, 0-1
    known : what is known of its dough and bake beyond the record, to simulate it

    Returns
    -------
    The change, with what the engines predict of it.
    """
    what, to, predicted = _of(cause, record, known)
    return NextChange(what, to, {**predicted, "again": again}, _said(cause, to, predicted))


def _said(cause: str, to: float | str, predicted: dict[str, Any]) -> Message:
    """The change as a sentence, with what comes of it."""
    code = f"change-{cause.replace('_', '-')}"
    figures = {key: predicted[key] for key in _FIGURES if key in predicted}
    figures |= {"share": 100 * predicted["share"]} if "share" in predicted else {}
    if cause == "bulk_under" and predicted.get("more_min", 0) > 0:
        code = "change-bulk-under-by"
    return message("change-then", change=message(code, to=to, **figures), then=_then(predicted))


_FIGURES = ("rise", "share", "more_min")


def _then(predicted: dict[str, Any]) -> Message:
    """What comes of a change, as far as it was simulated."""
    has = predicted.keys()
    if "proof_less_min" in has:
        return message("change-then-sooner", minutes=predicted["proof_less_min"])
    if {"share_was", "share", "rise"} <= has:
        return message("change-then-share", share=100 * predicted["share"], was=100 * predicted["share_was"])
    if {"more_min", "share"} <= has:
        return _longer("change-then-proof", predicted["more_min"])
    if {"bulk_min", "bulk_was_min"} <= has:
        return message("change-then-bulk", minutes=predicted["bulk_min"], was=predicted["bulk_was_min"])
    if {"more_min", "colour"} <= has:
        return _longer("change-then-baked", predicted["more_min"])
    if {"colour", "base_colour"} <= has:
        return message("change-then-colour", top=shade(predicted["colour"]), base=shade(predicted["base_colour"]))
    if predicted.get("holds_more", 0) > 0:
        return message("change-then-holds", percent=round(100 * predicted["holds_more"]))
    return NOTHING


def _longer(code: str, minutes: float) -> Message:
    if not minutes:
        return NOTHING
    return message(f"{code}-{'longer' if minutes > 0 else 'shorter'}", minutes=abs(minutes))


def _of(cause: str, r: Record, known: Known) -> tuple[str, float | str, dict[str, Any]]:
    if cause == "leaven_weak":
        return "leaven_vigour", 1.0, bulk_with(r, 1.0, known) if r.leaven_vigour is not None else {}
    if cause in _SIMPLE:
        what, to = _SIMPLE[cause]
        return what, to, {}
    if cause in ("bulk_under", "bulk_over"):
        wanted = r.bulk_wanted if r.bulk_wanted is not None else 0.5
        return "bulk_rise", wanted, {"rise": 100 * wanted, **longer_bulk(r, wanted, known)}
    if cause in ("proof_under", "proof_over"):
        return "proof_share", READY_SHARE, {"share": READY_SHARE, **longer_proof(r, READY_SHARE, known)}
    if cause in ("dough_cold", "dough_warm"):
        return "dough_c", USUAL_C, bulk_at(r, USUAL_C, known)
    if cause == "gluten_under":
        sets = float(r.folds_planned or 4)
        return "folds_done", sets, held_with(r, sets, known)
    if cause == "oven_unsoaked":
        soak = float(r.soak_min or 45)
        return "preheat_min", soak, baked_with(r, known, preheat_min=soak)
    if cause in ("oven_hot", "oven_cool"):
        return _dial(cause, r, known)
    if cause in ("out_early", "out_late"):
        return "core_c", core_wanted(r), longer_baked(r, core_wanted(r), known)
    if cause == "cut_hot":
        return "cooled_min", 1440.0 if (r.rye_percent or 0) >= 50 else 90.0, {}
    steam = round(min(20.0, 0.45 * (r.baked_min or 40.0)), 0)
    return "steam_min", steam, baked_with(r, known, steam_min=steam)


def _dial(cause: str, r: Record, known: Known) -> tuple[str, float | str, dict[str, Any]]:
    """The dial set so that the chamber has what was wanted."""
    wrong = (r.chamber_c - r.set_c) if r.chamber_c is not None and r.set_c is not None else 0.0
    hotter = -(wrong or (15.0 if cause == "oven_hot" else -15.0))
    usual = r.set_c if r.set_c is not None else 230.0
    predicted = {"offset_k": round(wrong, 0), **baked_with(r, known, hotter_k=hotter)}
    return "set_c", round(usual + hotter, 0), predicted


_SIMPLE: dict[str, tuple[str, float | str]] = {
    "acid_tired": ("leaven_past_peak_h", 0.0),
    "gluten_over": ("mixed_min", 10.0),
    "too_wet": ("hydration_over_capacity", 0.0),
    "too_dry": ("hydration_over_capacity", 0.0),
    "salt_low": ("salt_percent", 2.0),
    "salt_high": ("salt_percent", 2.0),
    "flour_weak": ("flour_protein", 12.0),
    "shaped_loose": ("shaped", "good"),
    "shaped_tight": ("shaped", "good"),
    "seam_open": ("seam", "closed"),
    "degassed": ("handled", "gently"),
    "skin_dry": ("skin", "moist"),
    "core_cold": ("core_at_load_c", 10.0),
    "waited": ("waited_min", 0.0),
    "score_poor": ("scored", "good"),
    "steam_missing": ("steam", "good"),
    "kept_wrong": ("stored", "wrapped"),
    "vessel_wrong": ("fill_g_per_ml", 0.45),
    "bench_flour": ("bench_flour", "little"),
}
