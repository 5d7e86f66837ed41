"""Single changes that would make a wish come true, each proved by planning it again."""

from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from typing import Literal

from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.edit import with_levain_share, with_yeast_beside
from gentle_crust.core.formula.model import check
from gentle_crust.core.oven.equipment import Vessel, fits
from gentle_crust.core.scheduling.plan import make_plan
from gentle_crust.core.scheduling.result import Plan
from gentle_crust.core.scheduling.wish import Kitchen, Wish

QUARTER = timedelta(minutes=15)
LATEST = timedelta(hours=30)
MOST = 4
SUPPLEMENT_PERCENT = 0.2
"""Instant yeast beside a levain, of all flour: a pinch that hurries bulk and leaves it sourdough (practice)."""
LEVAIN_PERCENT = (3.0, 25.0)
"""Prefermented flour of a levain that bakers use (practice)."""


@dataclass(frozen=True)
class Mend:
    """One change: which field of the wish takes which value, and a sentence that says so."""

    field: Literal["ready", "proof", "culture", "vessel", "dough_c", "levain_percent", "yeast_supplement_percent"]
    value: str
    sentence: str


def mends(wish: Wish, kitchen: Kitchen, vessels: tuple[Vessel, ...], now: datetime) -> tuple[Mend, ...]:
    """Up to four single changes after which the plan has no problem; none if it has none now."""
    plan = make_plan(wish, kitchen, now)
    if not plan.problems:
        return ()
    found: list[Mend] = []
    for mend, changed in _candidates(wish, vessels):
        if len(found) < MOST - 1 and _works(changed, kitchen, now):
            found.append(mend)
    later = _later(wish, kitchen, plan, now)
    return tuple(found) if later is None else (later, *found)


def _works(wish: Wish, kitchen: Kitchen, now: datetime) -> bool:
    try:
        return not make_plan(wish, kitchen, now).problems
    except CraftError:
        return False


def _candidates(wish: Wish, vessels: tuple[Vessel, ...]) -> list[tuple[Mend, Wish]]:
    """Changes worth trying, the smallest first."""
    found: list[tuple[Mend, Wish]] = []
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
    found += _other_shares(wish)
    for vessel in vessels:
        if vessel.id != wish.vessel.id and not fits(vessel, wish.formula.shape, wish.scaling_weight_g):
            mend = Mend("vessel", vessel.id, f"Bake in another vessel: {vessel.name.lower()}.")
            found.append((mend, replace(wish, vessel=vessel)))
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
    behind = max(now - plan.begins, timedelta(0))
    shift = QUARTER * (behind // QUARTER + 1) if behind else QUARTER * 2
    while shift <= LATEST:
        ready = _to_quarter(wish.ready + shift)
        if _works(replace(wish, ready=ready), kitchen, now):
            return Mend("ready", ready.isoformat(), f"Later: {{{ready.isoformat()}|clock}}, everything else as it is.")
        shift += QUARTER * 2 if shift < timedelta(hours=3) else timedelta(hours=1)
    return None


def _to_quarter(when: datetime) -> datetime:
    """The quarter hour at or after an instant."""
    past = timedelta(minutes=when.minute % 15, seconds=when.second, microseconds=when.microsecond)
    return when if not past else when + QUARTER - past
