"""A course as it is written down, once all of its sentences are read."""

from typing import Any

from gentle_crust.interchange.recipe.method.spans import Written, ends_of, written_span


def settled(stages: list[Written], reader: Any) -> list[Written]:
    """Stages as a course has them: mixed first, folds counted, a last rest before the oven the proof."""
    kinds = [stage["kind"] for stage in stages]
    if "mix" not in kinds:
        place = next((i for i, kind in enumerate(kinds) if kind != "autolyse"), len(kinds))
        stages = [*stages[:place], {"kind": "mix", "by": None}, *stages[place:]]
    if reader.series is not None and not any(stage.get("folds") for stage in stages):
        _give_folds(stages, reader)
    for place, stage in enumerate(stages):
        later = [each["kind"] for each in stages[place + 1 :]]
        if stage["kind"] == "preshape" and "shape" not in later:
            stage["kind"] = "shape"
        if stage["kind"] == "bench_rest" and "shape" not in later:
            stage["kind"] = "proof"
        if stage["kind"] == "bulk" and "until" not in stage:
            stage["until"] = "ready"
        if stage["kind"] == "proof" and "until" not in stage:
            stage["until"] = "ready"
        if stage["kind"] in ("warm_up", "bench_rest", "keep") and "until" not in stage:
            stage["until"] = (
                {"minutes": 60 if stage["kind"] == "warm_up" else 20} if stage["kind"] != "keep" else {"hours": [8, 14]}
            )
        for series in stage.get("folds") or []:
            _timed(series, stage)
    _bake_whole(stages, reader)
    return stages


def _give_folds(stages: list[Written], reader: Any) -> None:
    """Folds of which no bulk was told: they are the bulk."""
    place = next((i for i, s in enumerate(stages) if s["kind"] in ("divide", "preshape", "shape", "bake")), len(stages))
    window = reader.window()
    stages.insert(place, {"kind": "bulk", "until": {"minutes": written_span((window, window))} if window else "ready",
                          "folds": [reader.series]})  # fmt: skip


def _timed(series: Written, stage: Written) -> None:
    """A series with its first minute, its gap and its count, as far as the stage's length tells them."""
    until = stage.get("until")
    length = ends_of(until.get("minutes") if isinstance(until, dict) else None)[0] or ends_of(stage.get("said"))[0]
    gap = series.get("gap")
    if not series["count"]:
        series["count"] = max(int(length / gap[0]) - 1, 1) if gap and length else 3
    count = series["count"]
    if gap is None:
        even = length / (count + 1) if length else 30.0
        first = series.get("first")
        gap = (first, first) if first and count > 1 else (even, even)
        series["first"] = first or even
    series |= {"first": series.get("first") or gap[0], "gap": gap}


def _bake_whole(stages: list[Written], reader: Any) -> None:
    """The bake with what its container says of its vessel; last of all that is no cooling."""
    bake = reader.bake
    if bake is None:
        return
    if bake not in stages:
        place = next((i for i, s in enumerate(stages) if s["kind"] == "cool"), len(stages))
        stages.insert(place, bake)
    container = next((s.get("container") for s in stages if s.get("container") in ("tin", "tray")), None)
    if "vessel" not in bake and container:
        bake["vessel"] = container
    for each in bake["heats"]:
        if each["setpoint_c"] is None:
            each["setpoint_c"] = reader.heat_c


def clean(stage: Written) -> Written:
    """A stage as a method is written: nothing that is not its own, figures as numbers."""
    clean = {key: value for key, value in stage.items() if value is not None and key not in ("said", "heats", "folds")}
    if stage.get("folds"):
        clean["folds"] = [
            {"kind": s["kind"], "count": min(int(s["count"]), 12), "first_min": round(s["first"], 1),
             "gap_min": written_span(s["gap"])} for s in stage["folds"]
        ]  # fmt: skip
    if "path" in clean:
        clean.pop("place", None)
    if stage["kind"] == "bake":
        if not stage.get("vessel"):
            clean.pop("vessel", None)
        heats = [heat for heat in stage["heats"] if heat["setpoint_c"] is not None and heat["minutes"] >= 1]
        if heats:
            clean["stages"] = [{**heat, "setpoint_c": round(heat["setpoint_c"])} for heat in heats]
    return clean
