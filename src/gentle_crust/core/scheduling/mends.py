"""Single changes that would make a wish come true, each proved by planning it again."""

import math
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from typing import Literal

from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.edit import with_levain_share, with_yeast, with_yeast_beside
from gentle_crust.core.formula.model import check
from gentle_crust.core.oven.equipment import Vessel, fits
from gentle_crust.core.scheduling.plan import LONGEST_AHEAD, make_plan
from gentle_crust.core.scheduling.result import Plan
from gentle_crust.core.scheduling.wish import Kitchen, Wish

QUARTER = timedelta(minutes=15)
LATER_H = (0.0, 0.5, 1.0, 1.5, 2.0, 2.5, 3.0, 4.0, 5.0, 6.0, 7.0, 8.0, 10.0, 12.0, 14.0, 18.0, 24.0, 30.0)
"""Later times that are tried, hours after the first at which it could begin in time."""
NEVER = ("unripe", "no_rise", "under_proofed")
"""What no other time of the day mends: it hardly ferments there."""
MOST = 4
SUPPLEMENT_PERCENT = 0.2
"""Instant yeast beside a levain, of all flour: a pinch that hurries bulk and leaves it sourdough (practice)."""
LESS_YEAST = (0.6, 0.35)
LEAST_YEAST_PERCENT = 0.02
"""What is left of the dough's yeast where it is too much, and the least that can still be weighed (practice)."""
STEADY_C = (24.0, 26.0)
"""A cool and a warm place for dough that stands in a kitchen hotter or colder than this (practice)."""
LEVAIN_PERCENT = (3.0, 25.0)
"""Prefermented flour of a levain that bakers use (practice)."""


@dataclass(frozen=True)
class Mend:
    """One change: which field of the wish takes which value, and a sentence that says so."""

    field: Literal[
        "ready", "proof", "culture", "vessel", "dough_c", "levain_percent", "yeast_supplement_percent", "yeast_percent",
        "stand_c", "school",
    ]  # fmt: skip
    value: str
    sentence: str


def mends(wish: Wish, kitchen: Kitchen, vessels: tuple[Vessel, ...], now: datetime) -> tuple[Mend, ...]:
    """Up to four single changes after which the plan has no problem; none if it has none now."""
    plan = make_plan(wish, kitchen, now)
    if not plan.problems:
        return ()
    found: list[Mend] = []
    candidates = _candidates(wish, kitchen, vessels, plan)
    for mend, changed in candidates:
        if len(found) < MOST - 1 and _works(changed, kitchen, now):
            found.append(mend)
    later = _later(wish, kitchen, plan, now)
    too_far = any(problem.code in ("over_proofed", "last_load") for problem in plan.problems)
    if later is not None:
        found = [*found, later] if too_far else [later, *found]
    return tuple(found) or _the_gravest(candidates, kitchen, plan, now)


def _the_gravest(candidates: list[tuple[Mend, Wish]], kitchen: Kitchen, plan: Plan, now: datetime) -> tuple[Mend, ...]:
    """Where no one change mends everything: what makes the dough ferment at all; its hour is then to choose."""
    grave = {*NEVER, "water_hot"}
    if not any(problem.code in grave for problem in plan.problems):
        return ()
    for mend, changed in candidates:
        if mend.field in ("stand_c", "dough_c"):
            left = {problem.code for problem in make_plan(changed, kitchen, now).problems}
            if not left & grave:
                return (replace(mend, sentence=f"{mend.sentence} Then choose another time."),)
    return ()


def _works(wish: Wish, kitchen: Kitchen, now: datetime) -> bool:
    try:
        return not make_plan(wish, kitchen, now).problems
    except CraftError:
        return False


def _candidates(wish: Wish, kitchen: Kitchen, vessels: tuple[Vessel, ...], plan: Plan) -> list[tuple[Mend, Wish]]:
    """Changes worth trying, the smallest first; for a dough that goes too far, less leaven before the fridge."""
    codes = {problem.code for problem in plan.problems}
    found: list[tuple[Mend, Wish]] = []
    if "water_hot" in codes:
        reached = math.floor(2 * plan.water.dough_c) / 2
        mend = Mend("dough_c", f"{reached:g}", f"A cooler dough, {{{reached:g}|c}}: it takes longer.")
        found.append((mend, replace(wish, dough_c=reached)))
    if codes & {"unripe", "no_rise", "under_proofed", "past"}:
        found += _elsewhere(wish, kitchen)
    if codes & {"over_proofed", "last_load"}:
        found += _sooner(wish) + _less_yeast(wish) + _other_shares(wish)[::-1]
    if wish.culture == "hungry" and wish.starter is None and wish.formula.leaven == "levain":
        mend = Mend(
            "culture", "lively", "Build from a lively culture, fed within the last day: no feed is needed first."
        )
        found.append((mend, replace(wish, culture="lively")))
    if wish.dough_c < 27:
        mend = Mend("dough_c", "27", "Mix warmer, at {27|c}: quicker, a little less flavour.")
        found.append((mend, replace(wish, dough_c=27.0)))
    if wish.proof == "room":
        mend = Mend("proof", "cold", "Proof in the fridge: it waits while you sleep.")
        found.append((mend, replace(wish, proof="cold")))
    else:
        mend = Mend("proof", "room", "Proof in the room: hours shorter.")
        found.append((mend, replace(wish, proof="room")))
    found += _supplements(wish)
    if not codes & {"over_proofed", "last_load"}:
        found += _other_shares(wish)
    for vessel in vessels:
        if vessel.id != wish.vessel.id and not fits(vessel, wish.formula.shape, wish.scaling_weight_g):
            mend = Mend("vessel", vessel.id, f"Bake in another vessel: {vessel.name.lower()}.")
            found.append((mend, replace(wish, vessel=vessel)))
    return found


def _elsewhere(wish: Wish, kitchen: Kitchen) -> list[tuple[Mend, Wish]]:
    """A steadily warm or cool place for levain and dough, where the kitchen is neither."""
    cool, warm = STEADY_C
    coldest, hottest = sorted((kitchen.room.day_c, kitchen.room.night_c))
    found = []
    if wish.stand_c is None and coldest < cool - 1:
        sentence = f"Stand levain and dough at {{{warm:g}|c}}: a proofing box, or the oven with only its lamp on."
        found.append((Mend("stand_c", f"{warm:g}", sentence), replace(wish, stand_c=warm)))
    if wish.stand_c is None and hottest > warm + 1:
        sentence = f"Stand levain and dough at {{{cool:g}|c}}: a cool box with a cold bottle, changed as it warms."
        found.append((Mend("stand_c", f"{cool:g}", sentence), replace(wish, stand_c=cool)))
    return found


def _sooner(wish: Wish) -> list[tuple[Mend, Wish]]:
    """Bulk stopped sooner than the baker's school has it."""
    if wish.school == "by_dough":
        return []
    mend = Mend("school", "by_dough", "Stop bulk sooner: where the whole way to the oven comes out right.")
    return [(mend, replace(wish, school="by_dough"))]


def _less_yeast(wish: Wish) -> list[tuple[Mend, Wish]]:
    """Less yeast in the dough: everything is slower, and begins sooner."""
    now = wish.formula.yeast_percent
    found = []
    for part in LESS_YEAST:
        percent = round(now * part, 2)
        if percent >= LEAST_YEAST_PERCENT:
            sentence = f"Less yeast: {percent:g} % of the flour instead of {now:g} %; begin sooner."
            changed = replace(wish, formula=with_yeast(wish.formula, percent))
            found.append((Mend("yeast_percent", f"{percent:g}", sentence), changed))
    return found


def _supplements(wish: Wish) -> list[tuple[Mend, Wish]]:
    """A pinch of yeast beside the levain: bulk is shorter, so there is time for the culture; the taste is milder."""
    if wish.formula.leaven != "levain" or wish.formula.yeast_percent:
        return []
    sentence = (
        f"A pinch of yeast beside the levain, {SUPPLEMENT_PERCENT:g} % instant: shorter bulk, milder, stales sooner."
    )
    mend = Mend("yeast_supplement_percent", str(SUPPLEMENT_PERCENT), sentence)
    return [(mend, replace(wish, formula=with_yeast_beside(wish.formula, SUPPLEMENT_PERCENT)))]


def _other_shares(wish: Wish) -> list[tuple[Mend, Wish]]:
    """More levain to hurry the dough, less to slow it, within what bakers use."""
    share = next((one.flour_percent for one in wish.formula.preferments if one.kind == "levain"), None)
    found: list[tuple[Mend, Wish]] = []
    if share is None:
        return found
    for times, word in ((1.6, "More levain"), (0.5, "Less levain")):
        percent = round(share * times, 1)
        if not LEVAIN_PERCENT[0] <= percent <= LEVAIN_PERCENT[1]:
            continue
        formula = with_levain_share(wish.formula, percent)
        try:
            check(formula)
        except CraftError:
            continue
        mend = Mend("levain_percent", str(percent), f"{word}: {percent:g} % of the flour instead of {share:g} %.")
        found.append((mend, replace(wish, formula=formula)))
    return found


def _later(wish: Wish, kitchen: Kitchen, plan: Plan, now: datetime) -> Mend | None:
    """The first later time, by quarter hours and then by hours, at which the wish can be met as it is."""
    if any(problem.code in NEVER for problem in plan.problems) and kitchen.room.day_c == kitchen.room.night_c:
        return None
    behind = max(now - plan.begins, timedelta(0))
    first = QUARTER * (behind // QUARTER + 1) if behind else timedelta(0)
    for hours in LATER_H if behind else LATER_H[1:]:
        ready = _to_quarter(wish.ready + first + timedelta(hours=hours))
        if ready >= now + LONGEST_AHEAD:
            break
        if _works(replace(wish, ready=ready), kitchen, now):
            return Mend("ready", ready.isoformat(), f"Later: {{{ready.isoformat()}|clock}}, everything else as it is.")
    return None


def _to_quarter(when: datetime) -> datetime:
    """The quarter hour at or after an instant."""
    past = timedelta(minutes=when.minute % 15, seconds=when.second, microseconds=when.microsecond)
    return when if not past else when + QUARTER - past
