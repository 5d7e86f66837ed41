"""What a baker can see, feel, hear or measure at each stage, and how likely each state is to show it."""

from dataclasses import dataclass
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
COLD_C = 10.0
"""Below this a dough is judged as a cold one."""
RYE_PERCENT = 50.0
"""From this share of rye on, cracks are looked for and the poke says nothing."""
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

    @property
    def cold(self) -> bool:
        """Whether it is judged as a cold dough."""
        return self.dough_c < COLD_C

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


MISREAD = 0.003
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


def applies(row: dict[str, str], dough: Dough) -> bool:
    """Whether a row of the table of cues counts for this dough."""
    when = row["when"]
    if row["cue"] == "poke" and dough.rye and row["stage"] in ("bulk", "final_proof"):
        return False
    return when == "any" or (when == "rye" and dough.rye) or when == ("cold" if dough.cold else "warm")


def rise_bounds(target_percent: float) -> tuple[float, float, float, float]:
    """Rises (percent) between the states of a bulk that is to end at ``target_percent`` (practice)."""
    return (0.6 * target_percent, 0.88 * target_percent, 1.25 * target_percent, 1.75 * target_percent)


def core_bounds(done_c: float) -> tuple[float, float, float, float]:
    """Core temperatures, C, between not nearly, nearly and baked; past that the core says nothing (practice)."""
    return (done_c - 8, done_c - 1.5, 999, 999)


def measured(stage: Stage, cue: str, target: float) -> Measured | None:
    """A cue that is a figure; ``target`` is the rise wanted (percent) in bulk and the core wanted (C) in the oven."""
    if stage == "bulk" and cue == "rise_percent":
        look, says = message("look-rise-in-a-vessel"), "says-rise-in-a-vessel"
        return Measured(look, "%", -10, 400, rise_bounds(target), 8, says, 0)
    if stage == "baked" and cue == "core_c":
        look, says = message("look-probe-in-the-middle"), "says-core"
        return Measured(look, "C", 20, 105, core_bounds(target), 0.8, says)
    return MEASURED.get((stage, cue))


def of_figure(found: Measured, value: float) -> Likelihood:
    """How likely each state is to show a figure: soft steps as wide as a reading is uncertain."""
    below = [1.0, *(1 / (1 + exp(max(min((bound - value) / (found.error / 1.7), 60), -60))) for bound in found.bounds)]
    shares = [max(upper - lower, 0.0) + MISREAD for upper, lower in zip(below, [*below[1:], 0.0], strict=True)]
    return (shares[0], shares[1], shares[2], shares[3], shares[4])


def figures_of(stage: Stage) -> tuple[str, ...]:
    """The measured cues of a stage."""
    own = {"bulk": ("rise_percent",), "baked": ("core_c",)}.get(stage, ())
    return (*own, *(cue for where, cue in MEASURED if where == stage))


def cues_of(stage: Stage, dough: Dough | None = None, target: float = 60.0) -> tuple[Cue, ...]:
    """Everything that can be looked at in a stage; of one ``dough``, what it can show."""
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
        figure = measured(stage, cue, target)
        if figure is not None:
            read.append(Cue(cue, figure.look, (), figure.unit, figure.low, figure.high))
    return (*seen, *read)


def says(row: dict[str, str]) -> Message:
    """What is said of a row of the table of cues."""
    stage, cue, value = row["stage"], row["cue"], row["value"]
    cold = row["when"] == "cold" and (stage, cue, value) == ("final_proof", "edge", "firm")
    return message(f"cue-{stage}-{cue}-{value}-cold" if cold else f"cue-{stage}-{cue}-{value}")


def _shows(row: dict[str, str], dough: Dough | None) -> bool:
    return dough is None or applies(row, dough)


def check_cues(stage: Stage, cues: dict[str, str | float]) -> None:
    """Raise CraftError, naming the cue, for one that this stage does not have or a value that it cannot take."""
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
    """How likely each state is to show this, and what is said of it; None if it tells nothing of this dough."""
    figure = measured(stage, cue, target)
    if figure is not None:
        return of_figure(figure, float(value)), message(figure.says, value=round(float(value), figure.digits))
    for row in rows("readiness_cues"):
        if (row["stage"], row["cue"], row["value"]) == (stage, cue, value) and applies(row, dough):
            early, nearly, ready, late, over = (max(float(row[state]), 0.003) for state in STATES)
            return (early, nearly, ready, late, over), says(row)
    return None
