"""Sixty bakes: the record, the faults seen, and the causes a good baker would name, the likeliest first.

``first``: any of these named first is agreed with; ``also``: what may stand among the first three instead;
``absurd``: what must never stand first. The last fifteen were never tuned on.
"""

from dataclasses import dataclass
from typing import Any


@dataclass(frozen=True)
class Story:
    """One bake."""

    name: str
    record: dict[str, Any]
    seen: tuple[str, ...]
    first: tuple[str, ...]
    also: tuple[str, ...] = ()
    absurd: tuple[str, ...] = ()
    not_seen: tuple[str, ...] = ()


def story(name: str, seen: str, first: str, also: str = "", absurd: str = "", not_seen: str = "", **record: Any) -> Story:
    """A story in short words."""
    return Story(
        name, record, tuple(seen.split()), tuple(first.split()), tuple(also.split()), tuple(absurd.split()),
        tuple(not_seen.split()),
    )  # fmt: skip


def share(low: float, likely: float, high: float) -> dict[str, float]:
    """A share of the greatest volume."""
    return {"low": low, "likely": likely, "high": high}


TUNED = [
    story("short bulk in a cool kitchen", "dense_tight", "bulk_under", "dough_cold leaven_weak", "proof_over bulk_over",
          dough_c=22, room_c=19, leaven="levain", bulk_rise=.22, bulk_wanted=.5, bulk_hours=4, leaven_vigour=1),
    story("sleepy starter", "dense_tight gummy", "leaven_weak", "bulk_under", "proof_over", leaven="levain",
          leaven_vigour=.5, leaven_past_peak_h=0, bulk_rise=.3, bulk_wanted=.5, dough_c=25),
    story("starter long past its peak", "spread too_sour", "acid_tired", "leaven_weak bulk_over", "dough_cold",
          leaven="levain", leaven_vigour=.9, leaven_past_peak_h=7, bulk_rise=.5, bulk_wanted=.5, dough_c=26),
    story("forgotten bulk", "spread too_sour", "bulk_over", "acid_tired", "bulk_under too_dry", leaven="levain",
          bulk_rise=1.1, bulk_wanted=.5, bulk_hours=9, dough_c=26, leaven_vigour=1.1),
    story("into the oven too soon", "side_burst", "proof_under", "score_poor", "proof_over", leaven="yeast",
          proof_share=share(.45, .52, .6), scored="good", bulk_rise=.95, bulk_wanted=.9, seam="closed"),
    story("over the top", "caved_in no_ear", "proof_over", "bulk_over", "proof_under", leaven="yeast",
          proof_share=share(.9, .97, 1.0), scored="good", bulk_rise=.9, bulk_wanted=.9),
    story("knife barely touched it", "side_burst no_ear", "score_poor", "proof_under", "proof_over", leaven="levain",
          scored="shallow", proof_share=share(.66, .74, .8), steam="good", seam="closed"),
    story("not cut at all", "side_burst misshapen", "score_poor", "seam_open", "", scored="none", steam="good",
          proof_share=share(.68, .75, .8)),
    story("dry oven", "dull_crust no_ear", "steam_missing", "skin_dry", "steam_long", steam="none", scored="good",
          proof_share=share(.66, .74, .8)),
    story("dried in the basket", "dull_crust side_burst", "skin_dry", "steam_missing proof_under", "", skin="dry",
          steam="good", scored="good", proof_share=share(.66, .74, .8)),
    story("lid on to the end", "pale_top crust_soft", "steam_long", "out_early oven_cool", "oven_hot", steam="good",
          steam_min=40, baked_min=45, set_c=240, chamber_c=240, core_c=97),
    story("oven runs cool", "pale_top", "oven_cool", "out_early steam_long", "oven_hot", set_c=240, chamber_c=212,
          baked_min=40, core_c=96, steam_min=15, colour=30),
    story("oven runs hot", "dark_early", "oven_hot", "", "oven_cool out_early", set_c=230, chamber_c=258, baked_min=30,
          core_c=94, colour=85),
    story("dark but raw inside", "dark_early gummy", "oven_hot", "out_early", "oven_cool", set_c=240, chamber_c=262,
          core_c=89, baked_min=25, colour=80, cooled_min=120),
    story("taken out raw", "gummy pale_top", "out_early", "oven_cool", "out_late", core_c=90, baked_min=28, set_c=230,
          chamber_c=230, cooled_min=120, colour=30),
    story("could not wait", "gummy", "cut_hot", "out_early", "out_late", core_c=97, cooled_min=15, baked_min=42,
          bulk_rise=.5, bulk_wanted=.5),
    story("dried out", "dry_crumb crust_hard", "out_late", "too_dry", "out_early", core_c=99, baked_min=65,
          loss_fraction=.2, colour=85, days_old=0, hydration_over_capacity=0),
    story("short of water", "dense_tight dry_crumb", "too_dry", "bulk_under", "too_wet", hydration_over_capacity=-9,
          bulk_rise=.5, bulk_wanted=.5, core_c=96, loss_fraction=.12),
    story("more water than the flour carries", "spread stuck", "too_wet", "gluten_under proof_over", "too_dry",
          hydration_over_capacity=8, folds_done=4, folds_planned=4, proof_share=share(.66, .74, .8), shaped="good"),
    story("folds forgotten", "spread", "gluten_under", "shaped_loose too_wet", "gluten_over", folds_done=0,
          folds_planned=4, kneaded=False, proof_share=share(.66, .74, .8), hydration_over_capacity=0, shaped="good"),
    story("machine left running", "spread caved_in", "gluten_over", "proof_over", "gluten_under", kneaded=True,
          mixed_min=28, proof_share=share(.66, .74, .8), hydration_over_capacity=0),
    story("loosely shaped", "spread no_ear", "shaped_loose", "too_wet gluten_under", "shaped_tight", shaped="loose",
          folds_done=4, folds_planned=4, proof_share=share(.66, .74, .8), hydration_over_capacity=0),
    story("wild holes under the crust", "flying_crust", "shaped_loose", "bulk_under proof_under oven_hot", "", shaped="loose",
          bulk_rise=.5, bulk_wanted=.5, chamber_c=240, set_c=240),
    story("torn by tightness", "side_burst misshapen", "shaped_tight", "proof_under seam_open score_poor", "shaped_loose",
          shaped="tight", scored="good", proof_share=share(.66, .72, .8), steam="good"),
    story("seam gave way", "base_burst", "seam_open", "proof_under", "", seam="open", proof_share=share(.66, .74, .8),
          scored="good", preheat_min=45, soak_min=40),
    story("rough hands", "dense_tight", "degassed", "proof_under", "bulk_under", handled="roughly", bulk_rise=.6,
          bulk_wanted=.5, proof_share=share(.62, .7, .78)),
    story("cold pot", "base_pale", "oven_unsoaked", "oven_cool", "oven_hot", preheat_min=15, soak_min=45, set_c=245,
          chamber_c=243, core_c=97),
    story("cold pot, no lift", "no_ear base_pale", "oven_unsoaked", "oven_cool", "", preheat_min=10, soak_min=45,
          scored="good", proof_share=share(.66, .74, .8), steam="good", set_c=245, chamber_c=244),
    story("waited for the oven", "spread", "waited", "proof_over", "proof_under", waited_min=45, shaped="good",
          proof_share=share(.74, .82, .88), folds_done=4, folds_planned=4, hydration_over_capacity=0),
    story("salt forgotten", "bland undersalted spread", "salt_low", "", "salt_high", salt_percent=0, bulk_rise=.6,
          bulk_wanted=.5),
    story("salt twice", "too_salty dense_tight", "salt_high", "bulk_under", "salt_low", salt_percent=4, bulk_rise=.3,
          bulk_wanted=.5),
    story("flour all over", "flour_blotches", "bench_flour", "", "", bench_flour="much"),
    story("streaks inside", "flour_streaks", "bench_flour gluten_under", "gluten_under", "", bench_flour="much", mixed_min=8),
    story("weak flour", "spread", "flour_weak", "too_wet gluten_under", "", flour_protein=9.2, hydration_over_capacity=2,
          folds_done=4, folds_planned=4, shaped="good", proof_share=share(.66, .74, .8)),
    story("kept in the fridge", "dry_crumb crust_soft", "kept_wrong", "", "out_early", stored="fridge", days_old=2, core_c=97,
          loss_fraction=.13, cooled_min=120),
    story("left open", "crust_hard dry_crumb", "kept_wrong", "out_late", "", stored="open", days_old=2, core_c=96.5,
          loss_fraction=.12, colour=55),
    story("tin too small", "misshapen caved_in", "vessel_wrong", "proof_over", "", fill_g_per_ml=.72, leaven="yeast",
          proof_share=share(.68, .75, .82), core_c=95),
    story("dough far too cold", "tight_wild_holes", "dough_cold", "bulk_under leaven_weak", "dough_warm", dough_c=19, room_c=18,
          leaven="levain", leaven_vigour=1.0),
    story("dough far too warm", "too_sour spread", "dough_warm", "bulk_over acid_tired", "dough_cold", dough_c=31, room_c=29,
          leaven="levain", bulk_rise=.6, bulk_wanted=.5),
    story("from the fridge, still solid", "side_burst", "proof_under core_cold", "core_cold proof_under score_poor",
          "proof_over", core_at_load_c=3, cold_hours=8, proof_share=share(.5, .58, .68), scored="good", seam="closed"),
    story("tight with a few caves", "tight_wild_holes", "bulk_under", "leaven_weak dough_cold proof_under", "bulk_over",
          bulk_rise=.2, bulk_wanted=.5, dough_c=24, leaven="levain", leaven_vigour=.9),
    story("gummy and grey rye", "gummy", "out_early", "cut_hot acid_tired", "", rye_percent=80, core_c=92, baked_min=45,
          cooled_min=1400),
    story("pale after a three-day cold", "pale_top", "bulk_over acid_tired", "acid_tired proof_over", "oven_hot",
          cold_hours=80, bulk_rise=.9, bulk_wanted=.5, set_c=240, chamber_c=240, core_c=97, baked_min=42, steam_min=20),
    story("burnt base", "base_burnt", "oven_hot vessel_wrong", "vessel_wrong oven_hot out_late", "oven_cool", set_c=245,
          chamber_c=263, base_colour=95, core_c=96, baked_min=35),
    story("two things at once", "dense_tight pale_top", "bulk_under", "oven_cool", "bulk_over", bulk_rise=.2, bulk_wanted=.5,
          dough_c=24, set_c=240, chamber_c=215, core_c=96, baked_min=40, colour=28),
]
KEPT_BACK = [
    story("hurried lunch loaf", "dense_tight side_burst", "proof_under bulk_under", "bulk_under proof_under", "proof_over",
          leaven="yeast", bulk_rise=.5, bulk_wanted=.9, proof_share=share(.42, .5, .6), scored="good"),
    story("summer night", "spread", "bulk_over", "proof_over dough_warm", "bulk_under", dough_c=27, leaven="levain",
          bulk_rise=1.0, bulk_wanted=.5, shaped="good", folds_done=4, folds_planned=4, hydration_over_capacity=0),
    story("guest at the door", "caved_in", "proof_over", "out_early", "proof_under", proof_share=share(.88, .95, 1.0),
          core_c=97, leaven="yeast"),
    story("new starter", "tight_wild_holes dense_tight", "leaven_weak", "bulk_under dough_cold", "bulk_over", leaven="levain",
          leaven_vigour=.4, bulk_rise=.25, bulk_wanted=.5, dough_c=25),
    story("blunt blade", "no_ear", "score_poor", "steam_missing proof_over", "", scored="shallow", steam="good",
          proof_share=share(.66, .74, .8), shaped="good"),
    story("no pan of water", "dull_crust", "steam_missing", "skin_dry", "", steam="none", skin="moist", scored="good"),
    story("thermometer says it all", "gummy", "out_early", "cut_hot", "out_late", core_c=88, cooled_min=150, baked_min=30),
    story("sliced warm", "gummy", "cut_hot", "", "", core_c=97.5, cooled_min=10, baked_min=45),
    story("stone not hot", "base_pale", "oven_unsoaked", "oven_cool", "", preheat_min=20, soak_min=60, chamber_c=248, set_c=250),
    story("dial lies", "pale_top", "oven_cool", "out_early", "oven_hot", set_c=230, chamber_c=200, core_c=95, baked_min=45,
          steam_min=12),
    story("soup", "spread", "too_wet", "gluten_under flour_weak", "too_dry", hydration_over_capacity=10, folds_done=4,
          folds_planned=4, shaped="good", proof_share=share(.66, .74, .8)),
    story("no folds in a slack dough", "spread", "gluten_under", "too_wet", "gluten_over", folds_done=1, folds_planned=5,
          kneaded=False, hydration_over_capacity=2, proof_share=share(.64, .72, .8), shaped="good"),
    story("forgot the timer", "crust_hard dry_crumb", "out_late", "oven_hot", "out_early", core_c=99.5, baked_min=70,
          loss_fraction=.22, colour=88, days_old=0),
    story("basket full of flour", "flour_blotches", "bench_flour", "", "", bench_flour="much", skin="moist"),
    story("sour beyond wish", "too_sour", "acid_tired bulk_over", "bulk_over acid_tired dough_warm", "dough_cold",
          leaven="levain", leaven_past_peak_h=6, bulk_rise=.75, bulk_wanted=.5, dough_c=26),
]
