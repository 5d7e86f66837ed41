"""What a bake's own figures say for and against each cause, as likelihood ratios (all practice)."""

from collections.abc import Callable
from dataclasses import dataclass
from itertools import pairwise
from math import erf, exp, log, sqrt

from gentle_crust.core.diagnosis.record import Record
from gentle_crust.core.diagnosis.simulated import NOTHING_MORE, Known, usual_rise
from gentle_crust.core.messages import Message, message

Points = tuple[tuple[float, float], ...]


@dataclass(frozen=True)
class Evidence:
    """One thing the record says: its code, in words, and by cause how much likelier it is with it than without."""

    code: str
    text: Message
    ratios: dict[str, float]


def ratio(x: float, points: Points) -> float:
    """A likelihood ratio by a figure, straight lines in its logarithm between points.

    Parameters
    ----------
    x : the figure
    points : figures, growing, each with its ratio

    Returns
    -------
    The ratio, that of the first or last point beyond them.
    """
    if x <= points[0][0]:
        return points[0][1]
    for (a, low), (b, high) in pairwise(points):
        if x <= b:
            return exp(log(low) + (log(high) - log(low)) * (x - a) / (b - a))
    return points[-1][1]


def evidence(record: Record, known: Known = NOTHING_MORE) -> tuple[Evidence, ...]:
    """Everything that a record says.

    Parameters
    ----------
    record : what was logged; what is None says nothing
    known : what is known of its dough beyond the record

    Returns
    -------
    The evidence, in the order of the bake.
    """
    return tuple(found for read in _READ if (found := read(record, known)) is not None)


def _leaven(r: Record) -> Evidence | None:
    if r.leaven_vigour is None or r.leaven == "yeast":
        return None
    weak = ratio(r.leaven_vigour, ((0.4, 14), (0.6, 8), (0.8, 2.2), (1.0, 0.35), (1.3, 0.12)))
    return Evidence("leaven_vigour", message("diagnosis-vigour", percent=100 * r.leaven_vigour), {"leaven_weak": weak})


def _past_peak(r: Record) -> Evidence | None:
    if r.leaven_past_peak_h is None or r.leaven == "yeast":
        return None
    h = r.leaven_past_peak_h
    ratios = {
        "acid_tired": ratio(h, ((0, 0.4), (2, 1.2), (4, 5), (7, 11))),
        "leaven_weak": ratio(h, ((0, 0.9), (3, 1.4), (8, 2.2))),
    }
    return Evidence("leaven_past_peak_h", message("diagnosis-past-peak", minutes=60 * h), ratios)


def _dough_c(r: Record) -> Evidence | None:
    if r.dough_c is None:
        return None
    ratios = {
        "dough_cold": ratio(r.dough_c, ((18, 16), (20, 9), (22, 2.2), (24, 0.3), (26, 0.1))),
        "dough_warm": ratio(r.dough_c, ((24, 0.1), (26, 0.35), (28, 2.5), (30, 12), (33, 20))),
    }
    return Evidence("dough_c", message("diagnosis-dough-c", c=r.dough_c), ratios)


def _bulk(r: Record) -> Evidence | None:
    if r.bulk_rise is None or r.bulk_wanted is None:
        return None
    x = r.bulk_rise / r.bulk_wanted
    ratios = {
        "bulk_under": ratio(x, ((0.4, 14), (0.6, 8), (0.8, 2), (1.0, 0.25), (1.3, 0.04))),
        "bulk_over": ratio(x, ((0.7, 0.04), (1.0, 0.25), (1.3, 2), (1.6, 8), (2.0, 16))),
        "leaven_weak": ratio(x, ((0.5, 4), (0.8, 1.5), (1.0, 0.4))),
        "dough_cold": ratio(x, ((0.5, 3.5), (0.8, 1.4), (1.0, 0.6))),
        "dough_warm": ratio(x, ((1.0, 0.6), (1.3, 1.6), (1.8, 4))),
        "acid_tired": ratio(x, ((1.0, 0.8), (1.7, 1.7))),
    }
    text = message("diagnosis-bulk", rise=100 * r.bulk_rise, wanted=100 * r.bulk_wanted)
    return Evidence("bulk_rise", text, ratios)


OF_A_USUAL_DOUGH = 0.6
"""How far a time speaks where the dough's own share of leaven is not known (practice)."""


def _hours(r: Record, known: Known) -> Evidence | None:
    """Whether bulk was long enough for a usual leaven and a dough of usual warmth: then its length is not to blame."""
    expected = usual_rise(r, known)
    if expected is None or r.bulk_wanted is None or r.bulk_hours is None:
        return None
    x = expected / r.bulk_wanted
    ratios = {
        "bulk_under": ratio(x, ((0.4, 4), (0.7, 1.6), (0.9, 0.4), (1.2, 0.12))),
        "bulk_over": ratio(x, ((0.7, 0.12), (1.1, 0.4), (1.5, 1.6), (2.2, 4))),
    }
    if known.dough is None:
        ratios = {cause: value**OF_A_USUAL_DOUGH for cause, value in ratios.items()}
    minutes, wanted = 5 * round(12 * r.bulk_hours), 100 * r.bulk_wanted
    text = message("diagnosis-hours", minutes=minutes, rise=100 * expected, wanted=wanted)
    return Evidence("bulk_hours", text, ratios)


PROOFED_FROM, PROOFED_TO = 0.64, 0.86
"""Share of its greatest volume below and above which a loaf is under- and over-proofed (practice)."""


FOLLOWS = 0.6
"""How far a share that is off speaks for what went before, beside the proof itself (practice)."""


def _proof(r: Record) -> Evidence | None:
    if r.proof_share is None:
        return None
    one = r.proof_share
    spread = max((one.high - one.low) / 2.56, 0.02)
    under = 0.5 * (1 + erf((PROOFED_FROM - one.likely) / spread / sqrt(2)))
    over = 0.5 * (1 - erf((PROOFED_TO - one.likely) / spread / sqrt(2)))
    ratios = {"proof_under": _by_odds(under), "proof_over": _by_odds(over)}
    ratios["waited"] = ratio(one.likely, ((0.7, 0.5), (0.8, 1.5), (0.9, 2)))
    # What slows or hurries a whole dough shows in its proof too.
    slow, quick = (max(ratios[each], 1.0) ** FOLLOWS for each in ("proof_under", "proof_over"))
    ratios |= {"leaven_weak": slow, "dough_cold": slow, "bulk_under": slow, "dough_warm": quick, "bulk_over": quick}
    text = message("diagnosis-proof", low=100 * one.low, likely=100 * one.likely, high=100 * one.high)
    return Evidence("proof_share", text, ratios)


def _by_odds(p: float) -> float:
    """A ratio by how probable it is that the share lies there."""
    return min(max((p + 0.02) / (1.02 - p) / 0.35, 0.06), 16)


def _gluten(r: Record) -> Evidence | None:
    if r.kneaded is None and (r.folds_done is None or not r.folds_planned):
        return None
    if r.kneaded:
        return Evidence("kneaded", message("diagnosis-kneaded"), {"gluten_under": 0.2})
    if r.folds_done is None or not r.folds_planned:
        return None
    share = r.folds_done / r.folds_planned
    under = ratio(share, ((0, 14), (0.25, 8), (0.5, 2.5), (1.0, 0.3)))
    text = message("diagnosis-folds", done=r.folds_done, planned=r.folds_planned)
    return Evidence("folds_done", text, {"gluten_under": under, "gluten_over": 0.3})


def _mixed(r: Record) -> Evidence | None:
    if r.mixed_min is None:
        return None
    over = ratio(r.mixed_min, ((10, 0.3), (16, 1.5), (22, 9), (30, 20)))
    return Evidence("mixed_min", message("diagnosis-mixed", minutes=r.mixed_min), {"gluten_over": over})


def _water(r: Record) -> Evidence | None:
    if r.hydration_over_capacity is None:
        return None
    x = r.hydration_over_capacity
    ratios = {
        "too_wet": ratio(x, ((-4, 0.05), (0, 0.3), (3, 1.5), (6, 7), (10, 16))),
        "too_dry": ratio(x, ((-10, 16), (-6, 7), (-3, 1.5), (0, 0.3), (4, 0.05))),
        "flour_weak": ratio(x, ((0, 0.9), (4, 1.3))),
    }
    return Evidence(
        "hydration_over_capacity",
        message("diagnosis-water-over" if x >= 0 else "diagnosis-water-under", points=abs(x)),
        ratios,
    )


def _salt(r: Record) -> Evidence | None:
    if r.salt_percent is None:
        return None
    ratios = {
        "salt_low": ratio(r.salt_percent, ((0, 40), (1.0, 8), (1.6, 1), (2.0, 0.1))),
        "salt_high": ratio(r.salt_percent, ((2.0, 0.1), (2.5, 1), (3, 8), (4, 40))),
    }
    return Evidence("salt_percent", message("diagnosis-salt", percent=r.salt_percent), ratios)


def _flour(r: Record) -> Evidence | None:
    if r.flour_protein is None:
        return None
    weak = ratio(r.flour_protein, ((9, 16), (10, 7), (11, 1.5), (12, 0.3), (13.5, 0.1)))
    return Evidence("flour_protein", message("diagnosis-protein", percent=r.flour_protein), {"flour_weak": weak})


_SAID: dict[str, dict[str, dict[str, float]]] = {
    "shaped": {
        "loose": {"shaped_loose": 14, "shaped_tight": 0.05},
        "good": {"shaped_loose": 0.15, "shaped_tight": 0.15},
        "tight": {"shaped_tight": 14, "shaped_loose": 0.05},
    },
    "seam": {"open": {"seam_open": 20}, "closed": {"seam_open": 0.12}},
    "handled": {"roughly": {"degassed": 16}, "gently": {"degassed": 0.1}},
    "skin": {"dry": {"skin_dry": 18}, "moist": {"skin_dry": 0.12}},
    "scored": {
        "none": {"score_poor": 12}, "shallow": {"score_poor": 9},
        "good": {"score_poor": 0.12}, "deep": {"score_poor": 4},
    },
    "steam": {
        "none": {"steam_missing": 16, "steam_long": 0.02}, "weak": {"steam_missing": 5, "steam_long": 0.3},
        "good": {"steam_missing": 0.1},
    },
    "bench_flour": {"much": {"bench_flour": 14}, "little": {"bench_flour": 0.1}},
}  # fmt: skip


def _said(field: str) -> Callable[[Record], Evidence | None]:
    def read(r: Record) -> Evidence | None:
        value = getattr(r, field)
        if value is None:
            return None
        return Evidence(field, message(f"diagnosis-{field.replace('_', '-')}-{value}"), _SAID[field][value])

    return read


def _loaded(r: Record) -> Evidence | None:
    if r.core_at_load_c is None:
        return None
    cold = ratio(r.core_at_load_c, ((3, 7), (6, 2), (10, 0.6), (18, 0.05)))
    return Evidence("core_at_load_c", message("diagnosis-loaded", c=r.core_at_load_c), {"core_cold": cold})


def _waited(r: Record) -> Evidence | None:
    if r.waited_min is None:
        return None
    long = ratio(r.waited_min, ((0, 0.05), (10, 0.8), (20, 6), (40, 40)))
    return Evidence("waited_min", message("diagnosis-waited", minutes=r.waited_min), {"waited": long})


def _soaked(r: Record) -> Evidence | None:
    if r.preheat_min is None or not r.soak_min:
        return None
    x = r.preheat_min / r.soak_min
    text = message("diagnosis-soaked", minutes=r.preheat_min, wanted=r.soak_min)
    return Evidence("preheat_min", text, {"oven_unsoaked": ratio(x, ((0.3, 16), (0.6, 6), (0.85, 1), (1.0, 0.15)))})


def _chamber(r: Record, known: Known) -> Evidence | None:
    if r.chamber_c is None or r.set_c is None:
        return None
    x = r.chamber_c - r.set_c
    ratios = {
        "oven_hot": ratio(x, ((-5, 0.05), (3, 0.3), (10, 2), (18, 12), (30, 30))),
        "oven_cool": ratio(x, ((-30, 30), (-18, 12), (-10, 2), (-3, 0.3), (5, 0.05))),
    }
    return Evidence(
        "chamber_c",
        message(
            "diagnosis-chamber-taught" if known.oven_taught else "diagnosis-chamber", chamber=r.chamber_c, set=r.set_c
        ),
        ratios,
    )


def _steamed(r: Record) -> Evidence | None:
    if r.steam_min is None or not r.baked_min:
        return None
    share = r.steam_min / r.baked_min
    long = ratio(share, ((0.3, 0.1), (0.5, 0.5), (0.65, 3), (0.85, 16)))
    text = message("diagnosis-steam-min", minutes=r.steam_min, all=r.baked_min)
    return Evidence("steam_min", text, {"steam_long": long})


def core_wanted(r: Record) -> float:
    """The core with which such a loaf is done.

    Parameters
    ----------
    r : what was logged: tin, sugar and rye move it

    Returns
    -------
    C, 90-97.5 (practice).
    """
    if (r.rye_percent or 0) >= 50:
        return 97.5
    if (r.sugar_percent or 0) >= 8:
        return 90.0
    return 92.5 if r.vessel == "tin" else 95.5


def _core(r: Record) -> Evidence | None:
    if r.core_c is None:
        return None
    x = r.core_c - core_wanted(r)
    ratios = {
        "out_early": ratio(x, ((-6, 30), (-3, 9), (-1.5, 1.5), (0, 0.2), (2, 0.04))),
        "out_late": ratio(x, ((-1, 0.08), (1.5, 0.6), (3, 4), (4.5, 9))),
    }
    return Evidence("core_c", message("diagnosis-core", c=r.core_c, wanted=core_wanted(r)), ratios)


def _loss(r: Record) -> Evidence | None:
    if r.loss_fraction is None:
        return None
    late = ratio(r.loss_fraction, ((0.10, 0.2), (0.14, 0.6), (0.18, 5), (0.22, 12)))
    return Evidence("loss_fraction", message("diagnosis-loss", percent=100 * r.loss_fraction), {"out_late": late})


def _cooled(r: Record) -> Evidence | None:
    if r.cooled_min is None:
        return None
    wanted = 600.0 if (r.rye_percent or 0) >= 50 else 90.0
    hot = ratio(r.cooled_min / wanted, ((0.15, 20), (0.4, 6), (0.7, 1), (1.0, 0.06)))
    return Evidence("cooled_min", message("diagnosis-cooled", minutes=r.cooled_min), {"cut_hot": hot})


def _kept(r: Record) -> Evidence | None:
    if r.days_old is None:
        return None
    if r.days_old < 1:
        return Evidence("days_old", message("diagnosis-fresh"), {"kept_wrong": 0.04})
    if r.stored is None:
        return None
    bad = {"open": 14.0, "fridge": 14.0, "wrapped": 0.3}[r.stored]
    text = message(f"diagnosis-stored-{r.stored}", days=r.days_old)
    return Evidence("stored", text, {"kept_wrong": bad, "out_late": 0.6})


def _filled(r: Record) -> Evidence | None:
    if r.fill_g_per_ml is None:
        return None
    wrong = ratio(r.fill_g_per_ml, ((0.2, 12), (0.3, 3), (0.38, 0.2), (0.5, 0.2), (0.6, 3), (0.7, 14)))
    return Evidence("fill_g_per_ml", message("diagnosis-fill", percent=100 * r.fill_g_per_ml), {"vessel_wrong": wrong})


def _cold(r: Record) -> Evidence | None:
    if r.cold_hours is None or r.leaven == "yeast":
        return None
    ratios = {"acid_tired": ratio(r.cold_hours, ((24, 0.8), (48, 2), (72, 5), (120, 9)))}
    return Evidence("cold_hours", message("diagnosis-cold", minutes=60 * r.cold_hours), ratios)


Reader = Callable[[Record, Known], Evidence | None]


def _plain(*readers: Callable[[Record], Evidence | None]) -> tuple[Reader, ...]:
    """Readers that need the record alone."""

    def of(read: Callable[[Record], Evidence | None]) -> Reader:
        return lambda record, _: read(record)

    return tuple(of(each) for each in readers)


_READ: tuple[Reader, ...] = (
    *_plain(_leaven, _past_peak, _dough_c, _mixed, _water, _salt, _flour, _gluten, _bulk),
    _hours,
    *_plain(
        _cold, _said("handled"), _said("shaped"), _said("seam"), _proof, _said("skin"), _loaded, _waited,
        _said("scored"), _said("bench_flour"), _soaked,
    ),
    _chamber,
    *_plain(_said("steam"), _steamed, _core, _loss, _cooled, _kept, _filled),
)  # fmt: skip
"""Everything that is read off a record, in the order of the bake."""
