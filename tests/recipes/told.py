"""A method in the short notation of the cases, and whether two of them say the same."""

import re
from typing import Any


def told(method: dict[str, Any]) -> tuple[str, ...]:
    """Stages in order: kind, container or place, minutes or rise, folds; of a bake vessel and set points x minutes."""
    stages = [dict(stage) for stage in method["stages"]]
    for place, stage in enumerate(stages):
        if stage["kind"] == "proof" and stage.get("container"):
            shape = next((each for each in stages[:place] if each["kind"] == "shape"), None)
            if shape is not None and not shape.get("container"):
                shape["container"] = stage["container"]
    return tuple(" ".join(_stage(stage)) for stage in stages)


def _stage(stage: dict[str, Any]) -> list[str]:
    kind = stage["kind"]
    found = [kind]
    if kind == "bake":
        return found + _bake(stage)
    if kind in ("mix", "knead") and stage.get("by"):
        found.append(stage["by"])
    if kind == "shape" and stage.get("container"):
        found.append(stage["container"])
    if kind == "finish":
        found.append(stage["with"])
    if kind == "fold":
        found.append(f"x{stage['count']}")
    place = {"fridge": "fridge", "oven_off": "oven_off", "proofer": "warm"}.get(stage.get("place", ""))
    if place and kind not in ("levain", "preferment", "soak", "scald"):
        found.append(place)
    until = stage.get("until")
    if isinstance(until, str):
        found.append(until)
    elif until and "rise" in until:
        found.append(f"+{round(100 * until['rise'])}")
    elif until and "minutes" in until:
        found.append(_span(until["minutes"]))
    elif until and "hours" in until:
        hours = until["hours"]
        found.append(_span([60 * end for end in hours] if isinstance(hours, list) else 60 * hours))
    if stage.get("minutes"):
        found.append(_span(stage["minutes"]))
    for series in stage.get("folds") or []:
        gap = series["gap_min"]
        each = series["first_min"] if series["count"] == 1 else (gap[0] if isinstance(gap, list) else gap)
        found.append(f"f{series['count']}x{each:g}{'' if series['kind'] == 'stretch' else series['kind']}")
    return found


def _span(value: Any) -> str:
    return "-".join(f"{end:g}" for end in value) if isinstance(value, list) else f"{value:g}"


def _bake(stage: dict[str, Any]) -> list[str]:
    found = []
    if stage.get("heated") == "none":
        found.append("cold")
    if stage.get("vessel"):
        found.append(stage["vessel"])
    for each in stage.get("stages") or []:
        marks = ("c" if each.get("covered") else "") + ("f" if each.get("fan") else "")
        found.append(f"{each['setpoint_c']:g}x{each['minutes']:g}{marks}")
    if (stage.get("done") or {}).get("core_c"):
        found.append(f"core{stage['done']['core_c']:g}")
    return found


def same(wanted: tuple[str, ...], found: tuple[str, ...]) -> bool:
    """Whether two courses say the same: set points within 3 K, minutes within one, or inside a span that is wanted."""
    wanted, found = _beside_first(tuple(_contained(wanted))), _beside_first(found)
    return len(wanted) == len(found) and all(_alike(a, b) for a, b in zip(wanted, found, strict=True))


def _beside_first(stages: tuple[str, ...]) -> tuple[str, ...]:
    """What stands beside the dough in one order: it begins when it suits."""
    beside = [each for each in stages if each.split()[0] in ("levain", "preferment", "soak", "scald")]
    return (*sorted(beside), *(each for each in stages if each not in beside))


def _contained(stages: tuple[str, ...]) -> list[str]:
    """Containers that stand with the proof, put to its shape."""
    found = list(stages)
    for place, each in enumerate(stages):
        words = each.split()
        if words[0] == "proof" and len(words) > 1 and words[1] in ("couche", "tray", "box", "banneton"):
            found[place] = " ".join([words[0], *words[2:]])
            shape = next((i for i, other in enumerate(found[:place]) if other.split()[0] == "shape"), None)
            if shape is not None and found[shape] == "shape":
                found[shape] = f"shape {words[1]}"
    return found


def _alike(wanted: str, found: str) -> bool:
    a, b = wanted.split(), found.split()
    return len(a) == len(b) and all(_word_alike(x, y) for x, y in zip(a, b, strict=True))


def _word_alike(wanted: str, found: str) -> bool:
    heat = r"(\d+(?:\.\d+)?)x(\d+(?:\.\d+)?)(?:-(\d+))?([cf]*)"
    a, b = re.fullmatch(heat, wanted), re.fullmatch(heat, found)
    if a and b:
        low, high = float(a[2]), float(a[3] or a[2])
        inside = low - 1 <= float(b[2]) <= high + 1
        return abs(float(a[1]) - float(b[1])) <= 3 and inside and a[4] == b[4]
    return wanted == found
