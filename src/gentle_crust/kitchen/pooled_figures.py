"""What was measured of the loaves of all trials of one question, pair by pair."""

from collections.abc import Sequence

from gentle_crust.core.loaf.compare import Fact
from gentle_crust.core.loaf.pooling import FigureApart, apart
from gentle_crust.core.loaf.trial import Trial
from gentle_crust.core.messages import Message, message
from gentle_crust.kitchen.facts import came
from gentle_crust.kitchen.side_by_side import SideBySide
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Bakes


def figures_apart(work: Work, trials: Sequence[Trial]) -> tuple[FigureApart, ...]:
    """By how much each figure that was measured differs between the two sides; of trials that are judged."""
    told_of = [_in_order(trial) for trial in trials if trial.judged and len(trial.sides) == 2]
    pairs = list(
        {tuple(whose for _, whose in pair): pair for pair in told_of}.values()
    )  # one pair of loaves speaks once
    with work.read() as session:
        there = Bakes(session).of(tuple({bake for pair in pairs for _, (bake, _) in pair}))
    pairs = [pair for pair in pairs if all(bake in there for _, (bake, _) in pair)]
    chosen = list(dict.fromkeys(whose for pair in pairs for _, whose in pair))
    facts = dict(zip(chosen, [came(each) for each in SideBySide(work).many(chosen)], strict=True))
    found: dict[Message, list[float]] = {}
    for (_, one), (_, other) in pairs:
        for fact, beside in _shared(facts[one], facts[other]):
            found.setdefault(fact.what, []).append((fact.figure or 0.0) - (beside.figure or 0.0))
    side = pairs[0][0][0] if pairs else ""
    told = (apart(what, side, values) for what, values in found.items())
    return tuple(each for each in told if each is not None)


def _in_order(trial: Trial) -> list[tuple[str, tuple[str, str]]]:
    """Sides of a trial by what is said of them, so that all trials of a question have them in one order."""
    sides = [(side.says.strip() or side.part, (side.bake, side.part)) for side in trial.sides]
    return sorted(sides, key=lambda each: each[0].casefold())


def _shared(one: Sequence[Fact], other: Sequence[Fact]) -> list[tuple[Fact, Fact]]:
    """Figures that both have."""
    beside = {fact.what: fact for fact in other}
    return [(fact, beside[fact.what]) for fact in one if fact.figure is not None and fact.what in beside]


def as_told(found: FigureApart) -> Message:
    """A figure apart as a sentence."""
    more, code = found.mean >= 0, found.what.code
    scale, unit = (100.0, "percent") if code in PERCENTS else (1.0, "ml" if code == "compare-volume" else "number")
    by = _amount(unit, abs(found.mean) * scale)
    if found.low is None or found.high is None:
        return message("trial-figure-once", what=found.what, side=found.side, more="yes" if more else "no", by=by)
    low, high = sorted((found.low * scale, found.high * scale))
    return message(
        "trial-figure", what=found.what, side=found.side, more="yes" if more else "no", by=by, pairs=found.pairs,
        low=_amount(unit, low), high=_amount(unit, high),
    )  # fmt: skip


PERCENTS = ("compare-rise", "compare-share", "compare-loss", "compare-holes")


def _amount(unit: str, value: float) -> Message:
    places = 0 if unit == "ml" else 1 if unit == "percent" or abs(value) >= 10 else 2
    return message(f"compare-{unit}", **{unit: round(value, places)})
