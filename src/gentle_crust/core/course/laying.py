"""One question laid out: trunk and parts carried through from one beginning with one choice of holds."""

from dataclasses import dataclass, replace

from gentle_crust.core.clock import Clock, zone_of
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.baking import sharing
from gentle_crust.core.course.fill import Batch, Filled, FilledPath, fill
from gentle_crust.core.course.method import BESIDE
from gentle_crust.core.course.places import Ground
from gentle_crust.core.course.ripen import leads_h, with_ripe
from gentle_crust.core.course.standing import Run, Standing, baked_in
from gentle_crust.core.course.taken import What, minutes_taken
from gentle_crust.core.course.walk import walk
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.uncertainty import ONE

NEAR_H = 0.005
"""A correction this small leaves an error of a few seconds behind it: each round shrinks it tenfold."""
MOST_ROUNDS = 7
AHEAD_H, BEHIND_H = 24 * 21, 24 * 14
Lengths = dict[str, Floats]
"""Hours of holds by their id, one row a choice."""
SEARCHED_H = 1.0
"""A hold that may vary by less is left at its middle."""
BEGINS_LATER = "begins later"
"""Key of how much later than another a part begins that has no dough in common with it, h."""


@dataclass(frozen=True)
class Laid:
    """The trunk and each part as they go from one beginning with one choice of holds."""

    trunk: tuple[Run, ...]
    parts: tuple[tuple[Run, ...], ...]

    def outs(self) -> list[float]:
        """When each part leaves the oven."""
        return [out_of(part or self.trunk) for part in self.parts]


def out_of(runs: tuple[Run, ...]) -> float:
    """When the last loaf of some stages leaves the oven; the end of what is not baked."""
    return (baked_in(runs) or runs[-1]).end


class Laying:
    """One question: its paths, its clock, and how long each stage took when it was last carried through."""

    def __init__(self, asked: Asked) -> None:
        self.asked = asked
        self.clock = Clock(
            asked.now, zone_of(asked.kitchen.zone), asked.kitchen.nights, asked.kitchen.room, asked.stands
        )
        self.paths = agreed(fill(asked))
        self.wanted = [
            None if (at := asked.ready_at(path.name)) is None else self.clock.hours(at) for path in self.paths
        ]
        first = self.paths[0]
        self.trunk = dough_stages(first.stages[: first.trunk]) if asked.method.parts else dough_stages(first.stages)
        self.tails = [dough_stages(path.stages[path.trunk :]) if asked.method.parts else () for path in self.paths]
        self.ground = Ground(asked.kitchen, self.clock, asked.dough_c, ONE)
        self.belief = asked.belief
        self.hands, self.oven = self._taken("hands"), self._taken("oven")
        self.about: dict[str, float] = {}
        self.laid: dict[tuple[float, tuple[tuple[str, float], ...], int], Laid] = {}
        self.batches = [path.batch for path in self.paths]
        given = [at for at in self.wanted if at is not None]
        mix = min(given) - 10 if given else 12.0
        self.ripe_for(mix)
        self.led_for(mix)

    def _taken(self, what: What) -> tuple[Floats, Floats] | None:
        """Minutes so far at which others take something; None if nobody does."""
        if not any(each.what == what for each in self.asked.taken):
            return None
        return minutes_taken(self.asked.taken, what, self.clock, -24.0, AHEAD_H)

    def ripe_for(self, mix: float) -> None:
        """Preferments as they are in a dough that is mixed about then."""
        batches = [with_ripe(self.asked, path, self.clock, mix) for path in self.paths]
        if batches != self.batches:
            self.batches, self.laid = batches, {}

    def led_for(self, mix: float) -> None:
        """How long before a dough that is mixed about then what ripens beside it may be begun."""
        self.leads = leads_h(self.asked, self.paths[0], self.clock, mix)
        self.before_h = max((min(max(lead) for lead in leads) for leads in self.leads), default=0.0)

    def trunk_batch(self) -> Batch:
        """The whole dough before its pieces go different ways."""
        whole = self.batches[0].weighed.dough_g
        return replace(self.batches[0], dough_g=whole, pieces=self.asked.pieces)

    def lay(self, start: float, fixed: dict[str, float], factors: Floats = ONE, sigma: float = 0.0) -> Laid:
        """Carry trunk and parts through from ``start``; what was asked before is remembered.

        ``sigma``: the spread of which ``factors`` are equally likely samples; 0 if they are not.
        """
        key = (start, tuple(sorted(fixed.items())), len(factors))
        if key not in self.laid:
            self.laid[key] = self._lay(start, fixed, factors, sigma)
        return self.laid[key]

    def _lay(self, start: float, fixed: dict[str, float], factors: Floats, sigma: float) -> Laid:
        ground = replace(self.ground, factors=factors, sigma=sigma)
        runs, standing = walk(
            ground, self.trunk_batch(), self.trunk, Standing(start), fixed, tuple(self.tails), self.about
        )
        parts = []
        for batch, tail in zip(self.batches, self.tails, strict=True):
            here = replace(standing, at=standing.at + fixed.get(f"{BEGINS_LATER} {batch.name}", 0.0))
            if here.state is not None and here.piece_g > batch.dough_g:
                here = replace(here, piece_g=batch.dough_g)
            went, _ = walk(ground, batch, tail, here, fixed, ((),), self.about)
            parts.append(went)
        return Laid(runs, tuple(parts))

    def share(self, one: int, other: int) -> bool:
        """Whether two parts of one dough are wanted at once and go into one load."""
        first, second = self.paths[one].bake, self.paths[other].bake
        if not self.trunk or first is None or second is None or self.wanted[one] != self.wanted[other]:
            return False
        return sharing(first, second) is not None

    # What the coarse pass reckons with: lengths as they were last found.

    def lengths(self, stages: tuple[Filled, ...], holds: "Lengths") -> list["Floats | float"]:
        """Hours of each stage with these holds."""
        return [holds[each.id] if each.id in holds else self.about.get(each.id, 1.0) for each in stages]


def dough_stages(stages: tuple[Filled, ...]) -> tuple[Filled, ...]:
    """Stages of the dough itself, without what ripens beside it."""
    return tuple(each for each in stages if each.kind not in BESIDE)


def agreed(paths: tuple[FilledPath, ...]) -> tuple[FilledPath, ...]:
    """Paths whose parts may share a load take one another's oven settings."""
    found = [paths[0]]
    for path in paths[1:]:
        first = next((other for other in found if other.bake and path.bake and sharing(other.bake, path.bake)), None)
        if first is None or first.bake is None or path.bake is None:
            found.append(path)
            continue
        shared = sharing(first.bake, path.bake)
        stages = tuple(
            replace(each, bake=shared, why=shared.why) if each.bake and shared else each for each in path.stages
        )
        found.append(replace(path, stages=stages))
    return tuple(found)


def held(stages: tuple[Filled, ...]) -> tuple[Filled, ...]:
    """Holds whose length is worth looking for."""
    return tuple(
        each
        for each in stages
        if each.until.hold
        and each.stage.minutes is None
        and each.until.minutes[1] - each.until.minutes[0] >= 60 * SEARCHED_H
    )


def all_holds(search: Laying) -> tuple[Filled, ...]:
    """Holds of the trunk and of every part."""
    return (*held(search.trunk), *(each for tail in search.tails for each in held(tail)))


def span_h(stages: tuple[Filled, ...]) -> tuple[float, float]:
    """Least and most hours of all holds of some stages together."""
    ends = [each.until.minutes for each in held(stages)]
    return sum(low for low, _ in ends) / 60, sum(high for _, high in ends) / 60


def spread(stages: tuple[Filled, ...], hours: float) -> dict[str, float]:
    """So many hours over the holds of some stages: all of them equally far along what they may."""
    low, high = span_h(stages)
    part = 0.5 if high <= low else min(max((hours - low) / (high - low), 0.0), 1.0)
    return {
        each.id: (each.until.minutes[0] + part * (each.until.minutes[1] - each.until.minutes[0])) / 60
        for each in held(stages)
    }


def anchor_of(search: Laying) -> int:
    """The part that says when to begin: the one whose time can be met by holds of its own the least."""
    able = [i for i, at in enumerate(search.wanted) if at is not None] or list(range(len(search.tails)))
    return min(able, key=lambda i: span_h(search.tails[i])[1] - span_h(search.tails[i])[0])


def mix_at(laid: Laid) -> float:
    """When the dough is mixed; of parts apart, the first one's."""
    runs = laid.trunk or laid.parts[0]
    return next((run.start for run in (*laid.trunk, *laid.parts[0]) if run.filled.kind == "mix"), runs[0].start)
