"""When to begin, and how long each hold: so that every part leaves the oven when it is wanted, at the least cost.

Going forward is always possible; planning turns it round. A coarse pass weighs all lengths that the holds may have by
what they would cost, at the lengths of the other stages as they were last found; an exact one then carries the dough
through the best and finds the beginning from where that ends.
"""

from dataclasses import dataclass

import numpy as np

from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.costs import (
    ASLEEP_STEP,
    HANDS_H,
    LATER_H,
    PAST_MIN,
    asleep,
    coarse,
    cost_of,
    off_target,
    sleep_of,
    through,
)
from gentle_crust.core.course.laying import (
    BEGINS_LATER,
    MOST_ROUNDS,
    NEAR_H,
    Laid,
    Laying,
    Lengths,
    all_holds,
    anchor_of,
    held,
    mix_at,
    span_h,
    spread,
)
from gentle_crust.core.course.outcome import as_told
from gentle_crust.core.course.ripen import beside
from gentle_crust.core.course.solved import Solved
from gentle_crust.core.course.standing import ends_itself, is_solved, share_at_load
from gentle_crust.core.fermentation.uncertainty import ONE

ROUGHLY_H = 0.3
"""So near is near enough to weigh one choice against another."""
SAME_H = 0.02
"""Mixed so much sooner or later, a dough gets its preferments as ripe."""
TOO_FAR_H = 1 / 90
"""If parts would come out so far from where they do, the bulk before them is looked at anew."""
NEARLY_H = 1.0
"""Moved by less, a bulk is stopped as it was."""
LEAST_FOLLOWS, MOST_FOLLOWS = 0.6, 2.5
"""A course begun an hour later ends so much later at the least and at the most: where it jumps, that is not it."""
MOST_TO_MEET = 14
"""So often a beginning is tried: in a kitchen that is warm only by night it takes some."""
MOST_TRIES = 3
MOVES_H = (0.0, 0.02, 0.05, 0.1, *(step / 6 for step in range(1, 19)), -1 / 6, -1 / 3, -0.5)
"""How much later, or sooner, what is wanted soon is begun if hands are needed too early, or in the night."""
LONGER = (0.0, 0.25, 0.5, 0.75, 1.0)
"""Shares of what its holds may still last longer that are tried if hands are needed in the night all the same."""


def solve(asked: Asked) -> Solved:
    """The course of the least cost. Raises CraftError for a method that cannot be filled."""
    search = Laying(asked)
    start, fixed = _best(search)
    return _told(search, start, fixed)


@dataclass(frozen=True)
class Forward:
    """Where a course comes out that begins at a time, with a choice for each hold: by part, hours from now, share."""

    outs: dict[str, float]
    shares: dict[str, float | None]


def forward(asked: Asked, begins: float, holds: dict[str, float], mix: float) -> Forward:
    """Carry a course forward from ``begins`` (hours from now) with the hours of its holds by id.

    ``mix``: about when it is mixed, h: preferments are as ripe as they are then.
    """
    search = Laying(asked)
    search.ripe_for(mix)
    laid = search.lay(begins, holds)
    names = [path.name for path in search.paths]
    shares = [share_at_load(batch, (*laid.trunk, *own)) for batch, own in zip(search.batches, laid.parts, strict=True)]
    return Forward(dict(zip(names, laid.outs(), strict=True)), dict(zip(names, shares, strict=True)))


def _best(search: Laying) -> tuple[float, dict[str, float]]:
    """The beginning and the holds of the least cost that were found."""
    given = [at for at in search.wanted if at is not None]
    guess = (min(given) - 12) if given else search.before_h + 1
    holds = {each.id: sum(each.until.minutes) / 120 for each in all_holds(search)}
    laid = search.lay(guess, holds)
    best = (np.inf, guess, holds)
    tried: list[tuple[float, ...]] = []
    free = not given or bool(all_holds(search))
    for _ in range(MOST_TRIES):
        start, holds, foreseen = coarse(search)
        key = (round(start, 1), *(round(hours, 1) for hours in holds.values()))
        if key in tried or foreseen >= best[0] - 1:
            break
        tried.append(key)
        start, holds, laid = _exact(search, start, holds, ROUGHLY_H, NEARLY_H)
        search.led_for(mix_at(laid))
        cost = cost_of(search, laid, holds)
        if cost < best[0]:
            best = (cost, start, holds)
        # What ripens was thought of at another time of mixing: with hands in the night it is looked at once more.
        if (cost <= foreseen + 1 and cost < ASLEEP_STEP) or not free:
            break
    return _toward_target(search, best)


def _toward_target(search: Laying, best: tuple[float, float, dict[str, float]]) -> tuple[float, dict[str, float]]:
    """The best choice, or one with longer or shorter holds if that brings a dough that misses its target nearer."""
    cost, start, holds = best
    able = all_holds(search)
    if not able or off_target(search, search.lay(start, holds)) < 1:
        return start, holds
    for part in (0.85, 1.0, 0.15, 0.0):
        ends = {each.id: tuple(end / 60 for end in each.until.minutes) for each in able}
        moved = {**holds, **{id_: low + part * (high - low) for id_, (low, high) in ends.items()}}
        at, chosen, laid = _exact(search, start, moved, ROUGHLY_H, NEARLY_H)
        if cost_of(search, laid, chosen) < cost - 1:
            cost, start, holds = cost_of(search, laid, chosen), at, chosen
    return start, holds


def _exact(
    search: Laying, start: float, holds: dict[str, float], near_h: float, as_it_was_h: float
) -> tuple[float, dict[str, float], Laid]:
    """The beginning with which the anchor meets its time, the other parts' holds moved to meet theirs."""
    anchor = anchor_of(search)
    end_wanted = search.wanted[anchor]
    laid = search.lay(start, holds)
    stops: dict[str, float] = {}
    nearest = (np.inf, start, holds, laid)
    root = _Root()
    for _ in range(MOST_ROUNDS if end_wanted is None else MOST_TO_MEET):
        outs = laid.outs()
        tried = (start, holds, laid)
        moved = 0.0
        if end_wanted is not None:
            late = outs[anchor] - end_wanted
            start = start - late if stops else root.next(start, late)
            moved = abs(late)
        for place, tail in enumerate(search.tails):
            wanted = search.wanted[place]
            if place == anchor or wanted is None:
                continue
            if end_wanted is not None and search.share(anchor, place):
                apart = (outs[place] - wanted) - (outs[anchor] - end_wanted)
                holds, changed = _together(laid, holds, anchor, place, apart)
                root = _Root() if changed else root
                moved = max(moved, changed)
                if changed:
                    continue
            if not search.trunk:
                key = f"{BEGINS_LATER} {search.batches[place].name}"
                shift = outs[anchor] - (outs[anchor] if end_wanted is None else end_wanted) - (outs[place] - wanted)
                holds = {**holds, key: holds.get(key, 0.0) + shift}
                moved = max(moved, abs(shift))
                continue
            if not held(tail):
                continue
            now_h = sum(holds[each.id] for each in held(tail))
            asked_h = (
                now_h - (outs[place] - wanted) + outs[anchor] - (outs[anchor] if end_wanted is None else end_wanted)
            )
            low, high = span_h(tail)
            new_h = min(max(asked_h, low), high)
            moved = max(moved, abs(new_h - now_h))
            holds = {**holds, **spread(tail, new_h)}
        if moved < near_h:
            break
        if root.jumps:
            laid = search.lay(start, holds)
            break
        if not stops and moved < nearest[0]:
            nearest = (moved, *tried)
        stops = {} if moved > as_it_was_h else stops or solved_h(laid)
        laid = search.lay(start, {**stops, **holds})
    else:
        # Bedtime makes it jump to and fro, past the time that is wanted: it is taken as near as it came.
        _, start, holds, laid = nearest
    return start, holds, laid


class _Root:
    """The beginning with which a course is not late: by the slope of the last two tries, between those that were early
    and those that were late."""

    def __init__(self) -> None:
        self.before: tuple[float, float] | None = None
        self.early, self.late = (-np.inf, -np.inf), (np.inf, np.inf)

    def next(self, start: float, late: float) -> float:
        """Where to begin next, after ``start`` was ``late`` hours late."""
        if late < 0:
            self.early = max(self.early, (start, late))
        else:
            self.late = min(self.late, (start, late))
        after = start - late / self._slope(start, late)
        self.before = (start, late)
        within = 0 < self.late[0] - self.early[0] < np.inf
        if self.jumps:
            # A little beyond the jump, on the side that comes nearer: on its very edge nobody could say which it is.
            return self.late[0] + NEAR_H if self.late[1] < -self.early[1] else self.early[0] - NEAR_H
        if within and not self.early[0] <= after <= self.late[0]:
            return (self.early[0] + self.late[0]) / 2
        return after

    @property
    def jumps(self) -> bool:
        """Whether no beginning meets the time: folds of a bedtime, say, are made or not."""
        apart = self.late[0] - self.early[0]
        return 0 < apart < NEAR_H and self.late[1] - self.early[1] > 3 * NEAR_H

    def _slope(self, start: float, late: float) -> float:
        if self.before is None or abs(start - self.before[0]) < NEAR_H:
            return 1.0
        slope = (late - self.before[1]) / (start - self.before[0])
        return min(max(slope, LEAST_FOLLOWS), MOST_FOLLOWS)


def solved_h(laid: Laid) -> dict[str, float]:
    """Hours of bulks whose end was looked for."""
    return {run.filled.id: run.hours for runs in (laid.trunk, *laid.parts) for run in runs if is_solved(run.filled)}


def _together(
    laid: Laid, holds: dict[str, float], one: int, other: int, apart: float
) -> tuple[dict[str, float], float]:
    """Proofs of two parts that go into one load from one dough, ended together half-way between their own ends."""
    ends = [
        next(
            (run for run in reversed(laid.parts[place]) if run.filled.kind == "proof" and ends_itself(run.filled)), None
        )
        for place in (one, other)
    ]
    if ends[0] is None or ends[1] is None or abs(apart) < NEAR_H:
        return holds, 0.0
    if ends[0].filled.id in holds:
        # Half-way was found: what is left is the second's alone.
        first, second = 0.0, apart
    else:
        first, second = apart / 2, apart / 2
    mine, its = ends[0].hours + first, ends[1].hours - second
    return {**holds, ends[0].filled.id: mine, ends[1].filled.id: max(its, 0.1)}, abs(apart)


def _told(search: Laying, start: float, holds: dict[str, float]) -> Solved:
    """The course with every activity of its leaven side by side, at the lengths that were found."""
    laid = search.lay(start, holds)
    for _ in range(MOST_TRIES):
        mixed = mix_at(laid)
        search.ripe_for(mixed)
        start, holds, laid = _exact(search, start, holds, NEAR_H, 10 * NEAR_H)
        if abs(mix_at(laid) - mixed) < SAME_H:
            break
    if _moves_by_h(search, start, holds, laid) > TOO_FAR_H:
        # A bulk that was stopped as it was would now be stopped otherwise.
        again = _exact(search, start, holds, NEAR_H, 0.0)
        if _moves_by_h(search, *again) < TOO_FAR_H:
            start, holds, laid = again
    if search.wanted[anchor_of(search)] is None:
        start, holds, laid = _soon_and_awake(search, start, holds, laid)
    return as_told(search, start, holds, laid)


def _moves_by_h(search: Laying, start: float, holds: dict[str, float], laid: Laid) -> float:
    """By how much parts would come out elsewhere if every bulk's end were looked for anew, h."""
    return max(abs(one - other) for one, other in zip(search.lay(start, holds).outs(), laid.outs(), strict=True))


def _soon_and_awake(
    search: Laying, start: float, holds: dict[str, float], laid: Laid
) -> tuple[float, dict[str, float], Laid]:
    """What is wanted as soon as it can be, with its first hand not too early and none in the night.

    It begins a little later or sooner; where that does not help, holds last longer, over the night.
    """
    for _ in range(MOST_TRIES):
        at, lasts = _moved_or_longer(search, start, holds, laid)
        if (at, lasts) == (start, holds):
            break
        # Begun at another hour, its bulk takes another time: it is looked at once more.
        start, holds = at, lasts
        laid = search.lay(start, holds)
    return start, holds, laid


def _moved_or_longer(
    search: Laying, start: float, holds: dict[str, float], laid: Laid
) -> tuple[float, dict[str, float]]:
    """The beginning, and the lengths of the holds, of the least cost near those that were found."""
    longest = {each.id: each.until.minutes[1] / 60 for each in held((*search.trunk, *search.tails[anchor_of(search)]))}
    best = (np.inf, start, holds)
    for longer in LONGER:
        lasts = {**holds, **{id_: holds[id_] + longer * (most - holds[id_]) for id_, most in longest.items()}}
        added = LATER_H * sum(lasts[id_] - holds[id_] for id_ in longest)
        cost, at = _best_move(search, start, {id_: lasts[id_] for id_ in longest}, laid)
        if cost + added < best[0] - 1:
            best = (cost + added, at, lasts)
        if best[0] < ASLEEP_STEP:
            break
    return best[1], best[2]


def _best_move(search: Laying, start: float, lasts: dict[str, float], laid: Laid) -> tuple[float, float]:
    """What the best beginning near ``start`` costs, and when it is, with holds of such lengths."""
    anchor = anchor_of(search)
    own = (*search.trunk, *search.tails[anchor])
    runs = {run.filled.id: run.hours for run in (*laid.trunk, *laid.parts[anchor])}
    chosen: Lengths = {id_: np.array([hours]) for id_, hours in {**runs, **lasts}.items()}
    best = (np.inf, start)
    for move in MOVES_H:
        at = start + move
        found = beside(search.asked, search.paths[0], search.clock, mix_at(laid) + move, 0.0, ONE)
        first = min([at] + [each.start for each in found])
        _, cost = through(search, own, chosen, np.array([at]))
        sleep = sleep_of(search.clock)
        woken = sum(float(asleep(sleep, np.array(each.start), np.array(each.start + HANDS_H))) for each in found)
        total = float(cost[0]) + woken + LATER_H * move + PAST_MIN * 60 * max(-first, 0.0)
        if total < best[0]:
            best = (total, at)
        if total < 1 + LATER_H * move and move >= 0:
            break
    return best
