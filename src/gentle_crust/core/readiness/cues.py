"""What a baker can see, feel, hear or measure at each stage, and how likely each state is to show it."""

from dataclasses import dataclass, replace
from math import exp
from typing import Literal, get_args

from gentle_crust.core.errors import CraftError, Unreadable, within
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import Message, message
from gentle_crust.core.tables import rows

Stage = Literal["gluten", "culture", "preferment", "bulk", "final_proof", "baked"]
State = Literal["early", "nearly", "ready", "late", "over"]
STAGES: tuple[Stage, ...] = get_args(Stage)
STATES: tuple[State, ...] = get_args(State)
COLD_C, COLD_WITHIN_K = 10.0, 1.5
"""About this a dough's signs pass from those of a cold one to those of a warm one, and how gradually (practice)."""
RYE_PERCENT = 50.0
RYE_FROM_PERCENT, RYE_WHOLLY_PERCENT = 35.0, 60.0
"""Shares of rye between which the poke ever less, and cracks ever more, tell of a dough (practice)."""
WET_FROM, WET_WHOLLY = 0.78, 0.86
"""Water over flour between which a dough comes to show large bubbles when it is just right (practice)."""
Likelihood = tuple[float, float, float, float, float]
"""How likely each state, early to over, is to show a cue; only their ratios count."""


Leaven = Literal["yeast", "levain", "mixed"]


UNITS = {"%": "percent"}
"""Codes of the units that are no names themselves."""


@dataclass(frozen=True)
class Dough:
    """What decides how a cue is to be read: the dough's temperature, C, rye in its flour, percent, and its leaven."""

    dough_c: float = 24.0
    rye_percent: float = 0.0
    leaven: Leaven = "yeast"
    hydration: float | None = None
    """Water over flour, a fraction, if it is known."""
    greatest_rise: float | None = None
    """Greatest rise that it can reach, a fraction; None: as a strong white one."""

    @property
    def cold(self) -> bool:
        """Whether it is a cold dough rather than a warm one."""
        return self.coldness > 0.5

    @property
    def coldness(self) -> float:
        """How far its signs are those of a cold dough, 0-1: half at 10 C, passing over some kelvin."""
        return 1 / (1 + exp((self.dough_c - COLD_C) / COLD_WITHIN_K))

    @property
    def ryeness(self) -> float:
        """How far rye decides how it shows its readiness, 0-1."""
        between = RYE_WHOLLY_PERCENT - RYE_FROM_PERCENT
        return min(max((self.rye_percent - RYE_FROM_PERCENT) / between, 0.0), 1.0)

    @property
    def wetness(self) -> float:
        """How far it shows the bubbles of a very wet dough, 0-1."""
        if self.hydration is None:
            return 0.0
        return min(max((self.hydration - WET_FROM) / (WET_WHOLLY - WET_FROM), 0.0), 1.0)

    @property
    def rye(self) -> bool:
        """Whether rye decides how it shows its readiness."""
        return self.rye_percent >= RYE_PERCENT


@dataclass(frozen=True)
class CueValue:
    """One thing that may be seen: its value, and what is said of it."""

    value: str
    says: Message


@dataclass(frozen=True)
class Cue:
    """Something to look at: how to look, and what may be seen. A measured cue has a unit and no values."""

    cue: str
    look: Message
    values: tuple[CueValue, ...]
    unit: str = ""
    low: float = 0.0
    high: float = 0.0


MISREAD = 0.00003
"""How often a figure is plainly misread (practice)."""


@dataclass(frozen=True)
class Measured:
    """A figure as a cue: the bounds between the five states, how far a reading is off, and its limits."""

    look: Message
    unit: str
    low: float
    high: float
    bounds: tuple[float, float, float, float]
    error: float
    says: str
    """The code of what is said of it."""
    digits: int = 1


MEASURED: dict[tuple[Stage, str], Measured] = {
    ("culture", "height_ratio"): Measured(
        message("look-height-in-the-jar"), "times", 0.5, 6.0, (1.5, 1.85, 9, 9), 0.12,
        "says-height-in-the-jar",
    ),
    ("preferment", "height_ratio"): Measured(
        message("look-height-in-the-jar"), "times", 0.5, 6.0, (1.6, 2.1, 9, 9), 0.15,
        "says-height-in-the-jar",
    ),
    ("baked", "loss_percent"): Measured(
        message("look-weigh-the-loaf"), "%", 0.0, 45.0, (7.0, 9.5, 15.0, 20.0), 1.0,
        "says-weight-lost", 0,
    ),
}  # fmt: skip
"""Bounds between early, nearly, ready, late and over (practice). A height tells nothing of late and over."""


def part_of(row: dict[str, str], dough: Dough) -> float:
    """How far a row of the table of cues counts for this dough, 0-1.

    Parameters
    ----------
    row : a row of the table of cues
    dough : the dough, in g or as it is judged

    Returns
    -------
    A share, 0-1.
    """
    when = row["when"]
    if when == "cold":
        return dough.coldness
    if when == "warm":
        return 1 - dough.coldness
    if when == "wet":
        return dough.wetness
    if when == "dry":
        return 1 - dough.wetness
    return float(when == "any" or dough.ryeness > 0)


def weight_by_rye(stage: Stage, cue: str, dough: Dough) -> float:
    """How much a cue tells of a dough by its rye, 0-1: the poke ever less, fine cracks ever more.

    Parameters
    ----------
    stage : name of a stage
    cue : name of a cue
    dough : the dough, in g or as it is judged

    Returns
    -------
    A share, 0-1.
    """
    if stage in ("bulk", "final_proof") and cue == "poke":
        return 1 - dough.ryeness
    return dough.ryeness if stage == "final_proof" and cue == "cracks" else 1.0


def applies(row: dict[str, str], dough: Dough) -> bool:
    """Whether a row of the table of cues tells anything of this dough.

    Parameters
    ----------
    row : a row of the table of cues
    dough : the dough, in g or as it is judged

    Returns
    -------
    Whether it does.
    """
    stage: Stage = row["stage"]  # type: ignore[assignment]
    return part_of(row, dough) > LEAST_PART and weight_by_rye(stage, row["cue"], dough) > 0


LEAST_PART = 0.1
"""What counts for less of a dough than this is not shown to be looked at."""


def rise_bounds(target_percent: float) -> tuple[float, float, float, float]:
    """Rises (percent) between the states of a bulk that is to end at ``target_percent`` (practice).

    Parameters
    ----------
    target_percent : rise at which bulk is to end, percent

    Returns
    -------
    Four rises, percent.
    """
    return (0.6 * target_percent, 0.88 * target_percent, 1.25 * target_percent, 1.75 * target_percent)


def core_bounds(done_c: float) -> tuple[float, float, float, float]:
    """Core temperatures, C, between not nearly, nearly and baked; past that the core says nothing (practice).

    Parameters
    ----------
    done_c : core with which it is done, C

    Returns
    -------
    Four temperatures, C.
    """
    return (done_c - 8, done_c - 1.5, 999, 999)


STRONG_RISE_IN_JAR, STRONG_RISE_IN_BULK = 1.9, 2.4
"""Greatest rises of a strong white culture and dough, to which the bounds of heights belong."""
MOST_OF_BULK = 0.62
"""Share of its greatest rise beyond which no dough is let go in bulk (practice)."""


def measured(stage: Stage, cue: str, target: float, dough: Dough | None = None) -> Measured | None:
    """A cue that is a figure; ``target`` is the rise wanted (percent) in bulk and the core wanted (C) in the oven.

    Heights are held against what this ``dough`` can reach.

    Parameters
    ----------
    stage : name of a stage
    cue : name of a cue
    target : what is aimed at, as the state of the stage is measured
    dough : the dough, in g or as it is judged

    Returns
    -------
    The figure's bounds and spread, or none.
    """
    reaches = dough.greatest_rise if dough is not None else None
    if stage in ("culture", "preferment") and cue == "height_ratio" and reaches is not None:
        of_white = MEASURED[(stage, cue)]
        low, high, *rest = of_white.bounds
        share = reaches / STRONG_RISE_IN_JAR
        return replace(of_white, bounds=(1 + (low - 1) * share, 1 + (high - 1) * share, rest[0], rest[1]))
    if stage == "bulk" and cue == "rise_percent":
        if reaches is not None:
            target = min(target, 100 * MOST_OF_BULK * reaches)
        look, says = message("look-rise-in-a-vessel"), "says-rise-in-a-vessel"
        return Measured(look, "%", -10, 400, rise_bounds(target), 8, says, 0)
    if stage == "baked" and cue == "core_c":
        look, says = message("look-probe-in-the-middle"), "says-core"
        return Measured(look, "C", 20, 105, core_bounds(target), 0.8, says)
    return MEASURED.get((stage, cue))


def of_figure(found: Measured, value: float) -> Likelihood:
    """How likely each state is to show a figure: soft steps as wide as a reading is uncertain.

    Parameters
    ----------
    found : what was found before
    value : the value of a cue

    Returns
    -------
    Likelihood of each state, 0-1.
    """
    below = [1.0, *(1 / (1 + exp(max(min((bound - value) / (found.error / 1.7), 60), -60))) for bound in found.bounds)]
    shares = [max(upper - lower, 0.0) + MISREAD for upper, lower in zip(below, [*below[1:], 0.0], strict=True)]
    return (shares[0], shares[1], shares[2], shares[3], shares[4])


def figures_of(stage: Stage) -> tuple[str, ...]:
    """The measured cues of a stage.

    Parameters
    ----------
    stage : name of a stage

    Returns
    -------
    Names of cues.
    """
    own = {"bulk": ("rise_percent",), "baked": ("core_c",)}.get(stage, ())
    return (*own, *(cue for where, cue in MEASURED if where == stage))


def cues_of(stage: Stage, dough: Dough | None = None, target: float = 60.0) -> tuple[Cue, ...]:
    """Everything that can be looked at in a stage; of one ``dough``, what it can show.

    Parameters
    ----------
    stage : name of a stage
    dough : the dough, in g or as it is judged
    target : what is aimed at, as the state of the stage is measured

    Returns
    -------
    Cues with their values.
    """
    if stage not in STAGES:
        raise Unreadable("stage", "readiness-stage-unknown", stage=stage, names=tuple(STAGES))
    found: dict[str, list[dict[str, str]]] = {}
    for row in rows("readiness_cues"):
        told = found.setdefault(row["cue"], []) if row["stage"] == stage and _shows(row, dough) else None
        if told is not None and row["value"] not in {each["value"] for each in told}:
            told.append(row)
    seen = tuple(
        Cue(cue, message(f"look-{stage}-{cue}"), tuple(CueValue(each["value"], says(each)) for each in told))
        for cue, told in found.items()
    )
    read = []
    for cue in figures_of(stage):
        figure = measured(stage, cue, target, dough)
        if figure is not None:
            read.append(Cue(cue, figure.look, (), figure.unit, figure.low, figure.high))
    return (*seen, *read)


def says(row: dict[str, str]) -> Message:
    """What is said of a row of the table of cues.

    Parameters
    ----------
    row : a row of the table of cues

    Returns
    -------
    A sentence.
    """
    stage, cue, value = row["stage"], row["cue"], row["value"]
    cold = row["when"] == "cold" and (stage, cue, value) == ("final_proof", "edge", "firm")
    return message(f"cue-{stage}-{cue}-{value}-cold" if cold else f"cue-{stage}-{cue}-{value}")


def _shows(row: dict[str, str], dough: Dough | None) -> bool:
    return dough is None or applies(row, dough)


def check_cues(stage: Stage, cues: dict[str, str | float]) -> None:
    """Raise CraftError, naming the cue, for one that this stage does not have or a value that it cannot take.

    Parameters
    ----------
    stage : name of a stage
    cues : what is seen: cue to value, as the table of cues has them

    Returns
    -------
    Nothing; CraftError for what is refused.
    """
    known = {each.cue: each for each in cues_of(stage)}
    for cue, value in cues.items():
        if cue not in known:
            raise CraftError(f"cues.{cue}", "readiness-cue-unknown", cue=cue, stage=stage, names=tuple(known))
        found = known[cue]
        values = [each.value for each in found.values]
        if not values:
            if isinstance(value, str):
                raise CraftError(f"cues.{cue}", "readiness-cue-not-a-figure", value=value, unit=found.unit)
            within(
                f"cues.{cue}",
                Limit("cue", found.low, found.high, UNITS.get(found.unit, found.unit)),
                value,
                message("limit-cue", cue=cue),
            )
        elif value not in values:
            raise CraftError(f"cues.{cue}", "readiness-cue-value-unknown", cue=cue, value=value, names=tuple(values))


def likelihood(
    stage: Stage, cue: str, value: str | float, dough: Dough, target: float
) -> tuple[Likelihood, Message] | None:
    """How likely each state is to show this, and what is said of it; None if it tells nothing of this dough.

    Parameters
    ----------
    stage : name of a stage
    cue : name of a cue
    value : the value of a cue
    dough : the dough, in g or as it is judged
    target : what is aimed at, as the state of the stage is measured

    Returns
    -------
    Likelihood of each state, 0-1, and a sentence; or none.
    """
    figure = measured(stage, cue, target, dough)
    if figure is not None:
        return of_figure(figure, float(value)), message(figure.says, value=round(float(value), figure.digits))
    if weight_by_rye(stage, cue, dough) <= 0:
        return None
    told = [row for row in rows("readiness_cues") if (row["stage"], row["cue"], row["value"]) == (stage, cue, value)]
    parts = [(part_of(row, dough), row) for row in told]
    if sum(part for part, _ in parts) <= 0:
        return None
    early, nearly, ready, late, over = (
        sum(part * max(float(row[state]), 0.003) for part, row in parts) / sum(part for part, _ in parts)
        for state in STATES
    )
    return (early, nearly, ready, late, over), says(max(parts, key=lambda each: each[0])[1])
