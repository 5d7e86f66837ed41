"""What a bake comes to in figures: what was done, and how near its forecast and its verdict were."""

from datetime import datetime, timedelta
from statistics import median
from typing import Any

import numpy as np

from gentle_crust.contract import events as bodies
from gentle_crust.contract.bakes import BakeFigures
from gentle_crust.core.fermentation.readings import RISES
from gentle_crust.core.plan.steps_shown import PARTS_APART
from gentle_crust.kitchen.story import Story, Told
from gentle_crust.kitchen.tells import tells_of

MIN = timedelta(minutes=1)
ENDS_BULK = ("divide-1", "preshape-1", "shape-1", "chill-1", "load-1")
"""Steps with which a dough leaves its bulk: the first of them that a method has."""
SHAPED = ("shape-1", "divide-1")
AT_END = timedelta(minutes=20)
"""A rise that was read so near to the end of bulk is what it ended with (practice)."""
MOST_OFF_MIN = 600.0
"""A forecast that is further off than this is reckoned as so far off."""


def figures_of(shown: dict[str, Any], story: Story, place: int = 0, asked: dict[str, Any] | None = None) -> BakeFigures:
    """Figures of a bake from its plan as it was shown, and from what was pressed; None for what is not known.

    Proof and oven are those of the dough's part at ``place``. ``asked``: what its plan was asked for, if what it tells
    of its kitchen is wanted too.
    """
    done = {deed.key: deed.at for deed in story.happened.deeds if not deed.skipped}
    number = PARTS_APART * place + 1
    mixed, load, out = done.get("mix-1"), done.get(f"load-{number}"), done.get(f"out-{number}")
    ends = next((key for key in ENDS_BULK if key in done), "")
    bulk_end = done[ends] - minutes_of(shown, ends.removesuffix("-1")) * MIN if ends else None
    shaped = next((done[key] for key in SHAPED if key in done), None)
    began = None if mixed is None else mixed - minutes_of(shown, "mix") * MIN
    offs = _offs(shown, story, began)
    rises = [float(each.body["value"]) for each in story.of(bodies.READ) if each.body["kind"] in RISES]
    warmths = [float(each.body["value"]) for each in story.of(bodies.READ) if each.body["kind"] == "dough_c"]
    proofs = [each for each in story.of(bodies.JUDGED) if each.body["stage"] == "final_proof"]
    outcome = story.last(bodies.OUTCOME)
    verdict = str(proofs[-1].body["verdict"].get("verdict", "")) if proofs else ""
    how = "" if outcome is None else str(outcome.body["how"])
    return BakeFigures(
        dough_c=warmths[0] if warmths else None,
        bulk_min=_between(mixed, bulk_end),
        proof_min=_between(shaped, load),
        baked_min=_between(load, out),
        rise=rises[-1] if rises else None,
        end_rise=_at_end(story, bulk_end),
        share=_share(shown, proofs),
        read=len(offs),
        inside=sum(inside for _, inside in offs),
        late_min=round(median(late for late, _ in offs)) if offs else None,
        verdict=verdict,
        how=how,
        tells=None if asked is None else tells_of(shown, asked, story, began, verdict, how),
    )


def minutes_of(shown: dict[str, Any], kind: str) -> float:
    """Hands-on minutes of a plan's first step of a kind: a step is pressed when it is finished."""
    steps = shown.get("steps")
    found = steps if isinstance(steps, list) else []
    return next((float(step.get("minutes") or 0) for step in found if step.get("kind") == kind), 0.0)


def _at_end(story: Story, bulk_end: datetime | None) -> float | None:
    """The last rise that was read as the bulk ended; one of long before or after it tells nothing of its end."""
    if bulk_end is None:
        return None
    near = [float(each.body["value"]) for each in story.of(bodies.READ)
            if each.body["kind"] in RISES and abs(each.at - bulk_end) <= AT_END]  # fmt: skip
    return near[-1] if near else None


def _between(start: datetime | None, end: datetime | None) -> int | None:
    return None if start is None or end is None or end < start else round((end - start) / MIN)


def _share(shown: dict[str, Any], proofs: list[Told]) -> float | None:
    """The share of its greatest volume with which it went into the oven: as it was forecast last."""
    try:
        asked = proofs[-1].body.get("asked") if proofs else None
        value = asked["share"]["likely"] if asked else shown["proof"]["share"]
        return round(float(value), 3)
    except (KeyError, TypeError, ValueError):
        try:
            return round(float(shown["proof"]["share"]), 3)
        except (KeyError, TypeError, ValueError):
            return None


def _offs(shown: dict[str, Any], story: Story, mixed: datetime | None) -> list[tuple[float, bool]]:
    """By how many minutes the dough came to each rise that was read in bulk later than forecast before it began, and
    whether the reading lay inside the forecast's band."""
    if mixed is None:
        return []
    try:
        bulk = next(part for part in shown["ribbon"]["parts"] if part["kind"] == "bulk")["points"]
        first = datetime.fromisoformat(bulk[0]["at"])
        at = np.array([(datetime.fromisoformat(point["at"]) - first) / MIN for point in bulk])
        likely, low, high = (np.array([float(p[name]) for p in bulk]) for name in ("rise", "rise_low", "rise_high"))
    except (StopIteration, KeyError, TypeError, ValueError, IndexError):
        return []
    found = []
    for each in story.of(bodies.READ):
        minutes = (each.at - mixed) / MIN
        if each.body["kind"] not in RISES or not 0 < minutes <= at[-1] + 60 or float(each.body["value"]) <= 0:
            continue
        rise = float(each.body["value"])
        grown = np.maximum.accumulate(likely)
        due = float(np.interp(rise, grown, at)) if grown[-1] > grown[0] else minutes
        if rise > grown[-1]:
            continue
        inside = np.interp(minutes, at, low) <= rise <= np.interp(minutes, at, high)
        found.append((float(np.clip(minutes - due, -MOST_OFF_MIN, MOST_OFF_MIN)), bool(inside)))
    return found
