"""A plan as it is shown and kept: steps by the clock, what to weigh, water, bake, ribbon, and what is wrong with it."""

from dataclasses import dataclass
from datetime import datetime

from gentle_crust.core.cautions import Caution
from gentle_crust.core.clock import Clock
from gentle_crust.core.fermentation.readings import Doubt
from gentle_crust.core.fermentation.uncertainty import Span, Vigour
from gentle_crust.core.leaven.starter import Starter
from gentle_crust.core.messages import Message
from gentle_crust.core.oven.profile import BakeProfile
from gentle_crust.core.water.plan import WaterAnswer


@dataclass(frozen=True)
class TimeSpan:
    """Low, likely, high as instants; low or high None if beyond what was looked at."""

    low: datetime | None
    likely: datetime | None
    high: datetime | None


def dated(span: Span, clock: Clock) -> TimeSpan:
    """A span of hours from the clock's origin as instants."""
    return TimeSpan(*(None if at is None else clock.at(at) for at in (span.low, span.likely, span.high)))


@dataclass(frozen=True)
class Step:
    """One thing to do. ``minutes`` are hands-on; a step with none runs by itself.

    ``key`` stays the same however the plan moves: fold-2 is the second fold of the dough, load-101 the first load of
    the second part. ``stage`` is the id of its stage of the course; both are empty in plans of an older kind.
    """

    kind: str
    at: datetime
    minutes: int
    title: Message
    detail: Message
    span: TimeSpan | None
    cautions: tuple[Caution, ...]
    what: str = ""
    """What goes into the oven or comes out of it, at a step of steaming."""
    key: str = ""
    stage: str = ""
    part: str = ""
    """The part that it is a step of; empty for a step of all."""


@dataclass(frozen=True)
class WeighLine:
    """One line on the scale. ``percent`` of all flour, ``mixed_percent`` of this stage's flour."""

    name: Message
    role: str
    g: float
    percent: float | None
    mixed_percent: float | None
    note: Message


@dataclass(frozen=True)
class WeighStage:
    """What is weighed together, and for when."""

    kind: str
    title: Message
    at: datetime
    lines: tuple[WeighLine, ...]
    g: float


@dataclass(frozen=True)
class RibbonPoint:
    """The ribbon at one instant: volume as rise over gas-free (0 = none), with its band, and dough temperature."""

    at: datetime
    rise: float
    rise_low: float
    rise_high: float
    dough_c: float


@dataclass(frozen=True)
class RibbonPart:
    """One body of dough: culture, levain or preferment; bulk, rest, proof, or whatever else it waits for."""

    kind: str
    title: Message
    points: tuple[RibbonPoint, ...]
    target_rise: float | None


@dataclass(frozen=True)
class RibbonBake:
    """One stage of the bake on the ribbon."""

    start: datetime
    end: datetime
    name: Message
    setpoint_c: float
    covered: bool


@dataclass(frozen=True)
class CorePoint:
    """The middle of the first load in the oven."""

    at: datetime
    core_c: float


@dataclass(frozen=True)
class Night:
    """One night's sleep."""

    start: datetime
    end: datetime


@dataclass(frozen=True)
class Ribbon:
    """Everything the drawing needs."""

    parts: tuple[RibbonPart, ...]
    bake: tuple[RibbonBake, ...]
    folds: tuple[datetime, ...]
    nights: tuple[Night, ...]
    core: tuple[CorePoint, ...]
    core_done_c: float
    greatest_rise: float
    """Where the drawing's height ends: the greatest likely rise of all its parts."""


@dataclass(frozen=True)
class Problem:
    """Something about the wish that cannot be met, by how many minutes (0 if it is not about time)."""

    code: str
    sentence: Message
    minutes: float
    stage: str = ""
    """The id of the stage that it is about."""
    part: str = ""


@dataclass(frozen=True)
class Proof:
    """The proof's target and where this plan lands: shares of the dough's greatest volume."""

    target_low: float
    target_high: float
    share: float
    share_low: float
    share_high: float
    last_load_share: float
    bulk_rise: float
    fridge_hours: float


@dataclass(frozen=True)
class Feeling:
    """The dough under the hand."""

    word: Message
    capacity_percent: float
    handling: Message


@dataclass(frozen=True)
class ByFeel:
    """Both ends of a dough whose water is finished by feel."""

    low_percent: float
    high_percent: float
    more_g: float
    """Water from the low end to the high one."""
    dough_low_g: float
    dough_high_g: float
    word_low: Message
    word_high: Message


@dataclass(frozen=True)
class Totals:
    """The formula in figures, counted both ways."""

    flour_g: float
    dough_g: float
    overall_hydration_percent: float
    mixed_hydration_percent: float
    overall_salt_percent: float
    mixed_salt_percent: float
    prefermented_percent: float


@dataclass(frozen=True)
class PlanTimes:
    """The instants that everything else hangs on."""

    mix: datetime
    bulk_end: datetime
    proof_start: datetime
    load: datetime
    chill: datetime
    """When a cold proof turns cold; the start of proof otherwise."""


@dataclass(frozen=True)
class Dues:
    """When the stages of a dough that is being baked are or were due, whatever the time is now."""

    mix: datetime
    bulk_end: datetime
    shaped: datetime
    chill: datetime
    load: datetime


@dataclass(frozen=True)
class Holds:
    """The greatest rise of this dough in bulk and once it is shaped, fractions."""

    bulk: float
    shaped: float


@dataclass(frozen=True)
class Told:
    """What readings told: how lively the dough is, in a sentence too, and which of them are hard to believe."""

    vigour: Vigour
    sentence: Message
    doubts: tuple[Doubt, ...]


@dataclass(frozen=True)
class Costs:
    """What a plan asks and gives. ``sourness`` and ``flavour`` are indices, 0-1."""

    hands_on: int
    """Moments at which hands are needed."""
    hands_min: int
    asleep_min: float
    """Minutes of that in the baker's sleep."""
    hours: float
    """From the first step until it can be cut."""
    sourness: float
    taste: Message
    """The sourness in words."""
    flavour: float
    spread_min: float
    """How far apart the end of bulk may fall, low to high: the smaller, the safer."""


@dataclass(frozen=True)
class LaterPart:
    """The part of a split batch that is baked on another day, as plans of an older kind told it."""

    pieces: int
    chill: datetime
    out_of_fridge: datetime
    warm_min: int
    preheat: datetime
    load: datetime
    out: datetime
    share: float
    target_low: float
    target_high: float
    sentence: Message


@dataclass(frozen=True)
class FoldPlan:
    """Which folds, how many, how far apart, and how much that may slip; empty kind if it is kneaded or only stirred."""

    kind: str
    count: int
    every_min: int
    from_min: int
    to_min: int
    sentence: Message


@dataclass(frozen=True)
class LevainBuild:
    """A levain of the plan: grams for the dough and back into the jar, and when it is ripe and past it."""

    flour: Message
    hydration_percent: float
    needed_g: float
    kept_g: float
    seed_g: float
    flour_g: float
    water_g: float
    at: datetime
    wanted: datetime
    ripe: TimeSpan
    spent: TimeSpan


@dataclass(frozen=True)
class PartOut:
    """A part of the dough: how many pieces it has, and when the last of them leaves the oven.

    ``ribbon`` is its dough from where it parts on; ``load`` when its first pieces go in. Older plans have neither.
    """

    name: str
    pieces: int
    out: datetime
    load: datetime | None = None
    ribbon: tuple[RibbonPart, ...] = ()


@dataclass(frozen=True)
class Plan:
    """The whole answer to a wish."""

    engine: str
    ready: datetime
    out: datetime
    begins: datetime
    steps: tuple[Step, ...]
    weigh: tuple[WeighStage, ...]
    totals: Totals
    water: WaterAnswer
    tap_c: float
    kettle_c: float
    """What the kettle's water has when it reaches the bowl, by altitude."""
    feel: Feeling
    proof: Proof
    bake: BakeProfile
    """The bake of its first part."""
    ribbon: Ribbon
    problems: tuple[Problem, ...]
    notes: tuple[Message, ...]
    by_feel: ByFeel | None = None
    times: PlanTimes | None = None
    costs: Costs | None = None
    fold_plan: FoldPlan | None = None
    later: LaterPart | None = None
    told: Told | None = None
    """What readings told of this dough, if any were taken."""
    levains: tuple[LevainBuild, ...] = ()
    starter: Starter | None = None
    """The baker's own culture that they are built from, as it was when the plan was made."""
    dues: Dues | None = None
    """What is due when, of a plan that is being baked."""
    holds: Holds | None = None
    outs: tuple[PartOut, ...] = ()
    """When each part leaves the oven, if there are several."""
