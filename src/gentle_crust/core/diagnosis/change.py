"""One change for the next bake: what mends a cause, to what, and what comes of it."""

from dataclasses import dataclass
from typing import Any

from gentle_crust.core.diagnosis.evidence import core_wanted
from gentle_crust.core.diagnosis.record import Record
from gentle_crust.core.messages import Message, message

READY_SHARE = 0.74
"""Share of its greatest volume at which a loaf is usually ready for the oven (practice)."""
USUAL_C = 25.0
PER_K = 1.085
"""By how much a dough goes faster a kelvin warmer (practice)."""
GROWS = 0.6
"""A rise grows ever faster: its time goes as the rise to this power (practice)."""


@dataclass(frozen=True)
class NextChange:
    """What to change, to what, what is predicted of it, and a sentence.

    ``predicted``: figures of the next bake (minutes, shares, C), and ``again``: how probably each fault comes again.
    """

    what: str
    to: float | str
    predicted: dict[str, Any]
    text: Message


def change_for(cause: str, record: Record, again: dict[str, float]) -> NextChange:
    """The change that mends a cause.

    Parameters
    ----------
    cause : its code
    record : what was logged of the bake
    again : how probably each fault comes again once the cause is gone, 0-1

    Returns
    -------
    The change, with what is predicted of it.
    """
    what, to, predicted = _of(cause, record)
    return NextChange(what, to, {**predicted, "again": again}, _said(cause, to, predicted))


def _said(cause: str, to: float | str, predicted: dict[str, Any]) -> Message:
    """The change as a sentence."""
    if cause == "bulk_under" and predicted.get("more_min", 0) > 0:
        return message("change-bulk-under-by", rise=predicted["rise"], more_min=predicted["more_min"])
    return message(
        f"change-{cause.replace('_', '-')}", to=to, **{key: predicted[key] for key in _FIGURES if key in predicted}
    )


_FIGURES = ("rise", "share", "pace")


def _of(cause: str, r: Record) -> tuple[str, float | str, dict[str, Any]]:
    if cause in _SIMPLE:
        what, to = _SIMPLE[cause]
        return what, to, {}
    if cause in ("bulk_under", "bulk_over"):
        return _bulk(r)
    if cause in ("proof_under", "proof_over"):
        return "proof_share", READY_SHARE, {"share": READY_SHARE}
    if cause in ("dough_cold", "dough_warm"):
        faster = PER_K ** (USUAL_C - (r.dough_c if r.dough_c is not None else USUAL_C))
        return "dough_c", USUAL_C, {"pace": round(faster, 2)}
    if cause == "gluten_under":
        return "folds_done", float(r.folds_planned or 4), {}
    if cause == "oven_unsoaked":
        return "preheat_min", float(r.soak_min or 45), {}
    if cause in ("oven_hot", "oven_cool"):
        wrong = (r.chamber_c - r.set_c) if r.chamber_c is not None and r.set_c is not None else 0.0
        usual = r.set_c if r.set_c is not None else 230.0
        return (
            "set_c",
            round(usual - (wrong or (15.0 if cause == "oven_hot" else -15.0)), 0),
            {"offset_k": round(wrong, 0)},
        )
    if cause in ("out_early", "out_late"):
        return "core_c", core_wanted(r), {}
    if cause == "cut_hot":
        return "cooled_min", 1440.0 if (r.rye_percent or 0) >= 50 else 90.0, {}
    return "steam_min", round(min(20.0, 0.45 * (r.baked_min or 40.0)), 0), {}


def _bulk(r: Record) -> tuple[str, float | str, dict[str, Any]]:
    """Bulk to the rise that is wanted, and by how many minutes it is longer (or, negative, shorter)."""
    wanted = r.bulk_wanted if r.bulk_wanted is not None else 0.5
    if r.bulk_rise is None or r.bulk_rise <= 0 or r.bulk_hours is None:
        return "bulk_rise", wanted, {"rise": 100 * wanted}
    minutes = 60 * r.bulk_hours * ((wanted / r.bulk_rise) ** GROWS - 1)
    return "bulk_rise", wanted, {"rise": 100 * wanted, "more_min": round(minutes / 5) * 5}


_SIMPLE: dict[str, tuple[str, float | str]] = {
    "leaven_weak": ("leaven_vigour", 1.0),
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
