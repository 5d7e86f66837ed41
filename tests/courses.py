"""Eighteen courses as bakers do them, as questions of a plan."""

from typing import Any

Question = dict[str, Any]
NOW = "2026-11-28T06:30:00+00:00"
KITCHEN: Question = {
    "room_day_c": 22, "room_night_c": 19, "fridge_c": 4, "sleep": ["22:30", "06:30"], "zone": "Europe/Lisbon",
    "oven": {"kind": "electric", "top_c": 260}, "steam": ["hot_pan", "mist_loaf"],
    "vessels": ["lidded_cast_iron", "stone", "tin", "tray"],
}  # fmt: skip


def levain(flour_percent: float = 10.0, hydration: float = 100.0) -> Question:
    """A levain of strong white."""
    return {
        "kind": "levain", "flour_kind": "strong_white", "flour_percent": flour_percent, "hydration_percent": hydration,
    }  # fmt: skip


def yeasted(kind: str, flour_percent: float, yeast: float, hydration: float = 100.0) -> Question:
    """A poolish, biga or sponge of strong white."""
    return {
        "kind": kind, "flour_kind": "strong_white", "flour_percent": flour_percent, "hydration_percent": hydration,
        "yeast_percent": yeast,
    }  # fmt: skip


def formula(shape: str, hydration: float, **more: Any) -> Question:
    """A formula of strong white with a little whole wheat."""
    return {
        "name": "Trial", "flours": [{"kind": "strong_white", "percent": 90}, {"kind": "whole_wheat", "percent": 10}],
        "hydration_percent": hydration, "salt_percent": 2, "shape": shape, "autolyse_min": 0, **more,
    }  # fmt: skip


def asked(formula_: Question, stages: list[Question], parts: list[Question] | None = None, **more: Any) -> Question:
    """A question for a plan in the usual kitchen; ``kitchen`` changes some of it."""
    kitchen = {**KITCHEN, **more.pop("kitchen", {})}
    method: Question = {"stages": stages}
    if parts:
        method["parts"] = parts
    return {"formula": formula_, "method": method, "kitchen": kitchen, "now": NOW, "dough_c": 25, **more}


LEVAIN: Question = {"kind": "levain"}
MIX: Question = {"kind": "mix"}
DIVIDE: Question = {"kind": "divide"}
SHAPE: Question = {"kind": "shape"}
READY: Question = {"kind": "proof", "until": "ready"}
BAKE: Question = {"kind": "bake"}
COOL: Question = {"kind": "cool"}
COUNTRY = formula("boule", 75, preferments=[levain()], scaling_weight_g=850, pieces=2)


def fridge(kind: str, low: float, high: float, **more: Any) -> Question:
    """Some hours in the fridge."""
    return {"kind": kind, "place": "fridge", "until": {"hours": [low, high]}, **more}


def _balls(days: float) -> Question:
    rounds = formula("flat_round", 65, yeast_percent=0.08, scaling_weight_g=250, pieces=4)
    stages = [
        MIX, {"kind": "bulk", "until": {"hours": [1, 3]}}, DIVIDE, {"kind": "shape", "container": "box"},
        fridge("keep", 24 * days - 3, 24 * days + 3, container="box"),
        {"kind": "warm_up", "container": "box", "until": {"hours": [2, 5]}}, {"kind": "finish", "with": "topping"},
        {"kind": "bake", "vessel": "stone"},
    ]  # fmt: skip
    ready = f"2026-{'12-01' if days < 3 else '12-03'}T19:00:00+00:00"
    return asked(rounds, stages, ready=ready, dough_c=23)


def _fired(vessel: str = "oven_floor") -> Question:
    wood = {"kind": "wood", "fired": {"floor_c": 250, "dome_c": 290, "soaked_min": 40}, "shelf_cm2": 6000}
    bake = {
        "kind": "bake", "vessel": vessel,
        "stages": [{"minutes": 20, "setpoint_c": 270}, {"minutes": 20, "setpoint_c": 240, "turn": True}],
    }  # fmt: skip
    stages = [LEVAIN, MIX, {"kind": "bulk", "until": "ready"}, DIVIDE, SHAPE, READY, bake, COOL]
    return asked(COUNTRY, stages, ready="2026-11-29T18:00:00+00:00", kitchen={"oven": wood, "vessels": [vessel]})


def courses() -> dict[str, Question]:
    """The courses by a short name; the grid of kitchens is no single one and stands elsewhere."""
    today = {"kind": "warm_up", "until": {"dough_c": 18}}
    slippers = [{"kind": "bake", "vessel": "steel"}, COOL]
    yeast = formula("boule", 68, yeast_percent=1.0, scaling_weight_g=700, pieces=2)
    trial_tin = formula("pan_loaf", 70, preferments=[levain()], scaling_weight_g=450, pieces=2)
    trial_slipper = formula("slipper", 78, yeast_percent=0.5, scaling_weight_g=300, pieces=4)
    small = {"kind": "bake", "vessel": "tin"}
    return {
        "1 cold shaped": asked(
            COUNTRY,
            [LEVAIN, MIX, {"kind": "bulk", "until": {"rise": 0.45}}, DIVIDE, {"kind": "preshape"},
             {"kind": "bench_rest"}, SHAPE, fridge("proof", 10, 14), {"kind": "bake", "vessel": "lidded_cast_iron"},
             COOL],
            ready="2026-11-29T10:00:00+00:00",
        ),
        "2 cold bulk": asked(
            COUNTRY,
            [LEVAIN, MIX, {"kind": "bulk", "until": "ready"}, fridge("bulk", 24, 48), DIVIDE,
             {"kind": "warm_up", "until": {"minutes": 60}}, SHAPE, READY,
             {"kind": "bake", "vessel": "lidded_cast_iron"}, COOL],
            ready="2026-11-30T17:00:00+00:00",
        ),
        "3 rounds for two days": asked(
            formula("boule", 72, preferments=[levain()], scaling_weight_g=240),
            [LEVAIN, MIX, {"kind": "bulk", "until": "ready"}, fridge("bulk", 16, 36), DIVIDE],
            [{"name": "today", "pieces": 3, "stages": [today, SHAPE, READY, {"kind": "bake", "vessel": "stone"}, COOL]},
             {"name": "tomorrow", "pieces": 2,
              "stages": [fridge("keep", 18, 30), today, SHAPE, READY, {"kind": "bake", "vessel": "stone"}, COOL]}],
            ready={"today": "2026-11-30T12:00:00+00:00", "tomorrow": "2026-12-01T12:00:00+00:00"},
        ),
        "4a balls two days": _balls(2),
        "4b balls four days": _balls(4),
        "5 evening dough": asked(
            formula("boule", 72, preferments=[levain(9.1)], scaling_weight_g=850, pieces=1),
            [LEVAIN, MIX, {"kind": "bulk", "place": "room", "until": {"rise": 1.0}}, DIVIDE, SHAPE,
             fridge("proof", 4, 9), {"kind": "bake", "vessel": "lidded_clay", "heated": "none"}, COOL],
            ready="2026-11-30T15:00:00+00:00", dough_c=24,
            kitchen={"room_day_c": 20, "room_night_c": 18, "vessels": ["lidded_clay"]},
        ),
        "6 yeasted boule": asked(
            yeast, [MIX, {"kind": "bulk", "until": "ready"}, DIVIDE, SHAPE, READY, {"kind": "bake", "vessel": "stone"},
                    COOL],
            ready="2026-11-28T16:00:00+00:00",
        ),
        "7 yeasted tin": asked(
            formula("pan_loaf", 64, yeast_percent=0.8, scaling_weight_g=850, pieces=2),
            [MIX, {"kind": "knead", "by": "hand_kneading", "minutes": 12}, {"kind": "bulk", "until": {"rise": 0.9}},
             {"kind": "knock_back"}, {"kind": "rest", "until": {"minutes": 20}}, DIVIDE, SHAPE, READY,
             {"kind": "bake", "vessel": "tin"}, COOL],
            ready="2026-11-28T16:00:00+00:00",
        ),
        "8 slippers": asked(
            formula("slipper", 78, preferments=[yeasted("poolish", 30, 0.1)], yeast_percent=0.3, scaling_weight_g=350,
                    pieces=3),
            [{"kind": "preferment"}, MIX, {"kind": "bulk", "until": "ready"}, DIVIDE,
             {"kind": "bake", "vessel": "stone"}, COOL],
            ready="2026-11-29T13:00:00+00:00", dough_c=24,
        ),
        "9 very wet": asked(
            formula("slipper", 88, preferments=[levain(15)], scaling_weight_g=400, pieces=2),
            [LEVAIN, MIX,
             {"kind": "bulk", "container": "box", "until": "ready",
              "folds": [{"kind": "bowl", "count": 2, "first_min": 25, "gap_min": 25},
                        {"kind": "coil", "count": 3, "first_min": 75, "gap_min": 25}]},
             DIVIDE, {"kind": "proof", "container": "couche", "covered": False, "until": {"minutes": [90, 150]}},
             {"kind": "bake", "vessel": "stone"}, COOL],
            ready="2026-11-28T21:00:00+00:00",
        ),
        "10 sticks": asked(
            formula("baguette", 68, preferments=[yeasted("sponge", 30, 0.6, 65)], yeast_percent=0.3,
                    scaling_weight_g=200, pieces=6),
            [{"kind": "preferment", "place": "fridge", "shelf": "top", "until": {"hours": [12, 30]}}, MIX,
             {"kind": "bulk", "until": "ready"}, DIVIDE, {"kind": "preshape"}, {"kind": "bench_rest"}, SHAPE, READY,
             {"kind": "bake", "vessel": {"kind": "tray", "count": 2}}, COOL],
            ready="2026-11-29T17:00:00+00:00", dough_c=24, kitchen={"vessels": [{"kind": "tray", "count": 2}]},
        ),
        "11 tiny yeast": asked(
            formula("boule", 72, yeast_percent=0.12, scaling_weight_g=800, pieces=1),
            [MIX, {"kind": "bulk", "place": "room", "until": {"hours": [13, 15]}}, DIVIDE, SHAPE,
             {"kind": "proof", "until": {"minutes": 50}}, {"kind": "bake", "vessel": "lidded_cast_iron"}, COOL],
            ready="2026-11-29T12:00:00+00:00", dough_c=24, kitchen={"room_day_c": 15, "room_night_c": 15},
        ),
        "12 kneaded or folded": asked(
            trial_tin,
            [LEVAIN],
            [{"name": "machine", "pieces": 1,
              "stages": [{"kind": "mix", "by": "spiral_mixer", "minutes": 8},
                         {"kind": "bulk", "until": "ready", "folds": []}, SHAPE, READY, small, COOL]},
             {"name": "folded", "pieces": 1,
              "stages": [{"kind": "mix", "by": "folds"},
                         {"kind": "bulk", "until": "ready",
                          "folds": [{"kind": "stretch", "count": 4, "first_min": 30, "gap_min": [20, 45]}]},
                         SHAPE, READY, small, COOL]}],
            ready="2026-11-29T19:30:00+00:00",
        ),
        "13 steel or tray": asked(
            trial_slipper,
            [MIX, {"kind": "bulk", "until": "ready"}, DIVIDE],
            [{"name": "steel", "pieces": 2, "stages": [{"kind": "proof", "until": "ready"}, *slippers]},
             {"name": "tray", "pieces": 2,
              "stages": [{"kind": "proof", "until": "ready"}, {"kind": "bake", "vessel": "tray"}, COOL]}],
            ready="2026-11-28T15:00:00+00:00", kitchen={"vessels": ["steel", "tray"]},
        ),
        "14 stones and towels": asked(
            COUNTRY,
            [LEVAIN, MIX, {"kind": "bulk", "until": "ready"}, DIVIDE, SHAPE, READY,
             {"kind": "bake", "vessel": "stone", "steam": [{"kind": "hot_stones_and_water", "g": 400},
                                                          {"kind": "soaked_towels", "g": 300, "at_min": -15}]}, COOL],
            ready="2026-11-29T18:00:00+00:00",
        ),
        "15 hot lid": asked(
            COUNTRY,
            [LEVAIN, MIX, {"kind": "bulk", "until": "ready"}, DIVIDE, SHAPE, fridge("proof", 8, 16),
             {"kind": "bake", "vessel": "lidded_cast_iron", "heated": "lid"}, COOL],
            ready="2026-11-29T12:00:00+00:00",
        ),
        "16 wood fire": _fired(),
        "18 rolls": asked(
            formula("roll", 62, yeast_percent=1.2, scaling_weight_g=90, pieces=12,
                    extras=[{"name": "Sugar", "kind": "sugar", "percent": 10},
                            {"name": "Butter", "kind": "butter", "percent": 10}]),
            [MIX, {"kind": "knead", "by": "hand_kneading", "minutes": 12}, {"kind": "bulk", "until": "ready"}, DIVIDE,
             SHAPE, READY, {"kind": "bake", "vessel": {"kind": "tray", "count": 2}}, COOL],
            ready="2026-11-28T16:00:00+00:00", dough_c=26, kitchen={"vessels": [{"kind": "tray", "count": 2}]},
        ),
    }  # fmt: skip
