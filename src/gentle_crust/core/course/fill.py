"""What a method leaves out, filled from the dough, the kit and the kitchen; each filled figure says why."""

from dataclasses import dataclass, replace

from gentle_crust.core.course.ask import Asked, Kitchen
from gentle_crust.core.course.baking import FilledBake, Whys, filled_bake
from gentle_crust.core.course.method import BESIDE, Baking, Place, Series, Stage, Until
from gentle_crust.core.course.shaped import shaped_state, shaping_of
from gentle_crust.core.course.written import rows_of
from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.dough import Makeup
from gentle_crust.core.fermentation.pace import air_pressure
from gentle_crust.core.fermentation.targets import ShareTarget, proof_target
from gentle_crust.core.formula.feel import Feel, feel, mixing_for
from gentle_crust.core.formula.model import Formula, Preferment
from gentle_crust.core.formula.scaling import Weighed, weigh
from gentle_crust.core.messages import Message, message
from gentle_crust.core.oven.equipment import shape_row, vessel_row
from gentle_crust.core.oven.profile import RYE_COOL_MIN

ROOM, FRIDGE = Place("room"), Place("fridge")
WARM = Place("oven_off")
COOL_BATH = Place("bath")
LIVES_BETWEEN_C = {"levain": (12.0, 31.0), "yeast": (9.0, 36.0)}
"""Mean warmth of a room in which a dough is left to ferment there (practice)."""
MIX_MIN = {"hand_kneading": 20, "slap_and_fold": 20, "planetary_mixer": 10, "spiral_mixer": 8, "processor": 3}
MIX_ELSE_MIN = 15
KNEAD_MIN = {"hand_kneading": 10, "slap_and_fold": 8, "planetary_mixer": 7, "spiral_mixer": 6, "processor": 2}
"""Minutes that develop a dough fully (practice)."""
KNEAD_ELSE_MIN = 10
BY_HAND, WETS_MIN = ("hand_kneading", "slap_and_fold"), 5.0
"""Minutes of a mix before flour is wet and gluten begins to form, by hand (practice)."""
SOAK_MIN, SCALD_MIN = (240.0, 840.0), (120.0, 840.0)
SHORT_REST_MIN, BENCH_REST_MIN, WARM_UP_MIN = 20.0, 20.0, 60.0
COLD_HOLD_MIN = (8 * 60.0, 18 * 60.0)
KEEP_MIN = (12 * 60.0, 48 * 60.0)


@dataclass(frozen=True)
class Filled:
    """A stage with everything that it needs. ``number`` counts along its part, from 1; ``why`` of what was filled.

    ``row`` is the formula's preferment or soaker that a stage ripens; ``bake`` the whole bake of a bake stage.
    """

    stage: Stage
    part: str
    number: int
    why: Whys
    row: int | None = None
    bake: FilledBake | None = None

    @property
    def kind(self) -> str:
        """The stage's kind."""
        return self.stage.kind

    @property
    def id(self) -> str:
        """The stage's id."""
        return self.stage.id

    @property
    def until(self) -> Until:
        """What ends it."""
        return self.stage.until or Until("span")

    @property
    def place(self) -> Place:
        """Where it goes on."""
        return self.stage.place or ROOM

    @property
    def cold(self) -> bool:
        """Whether it stands in the fridge."""
        return self.place.name == "fridge"

    @property
    def work_min(self) -> float:
        """Minutes of hands: the middle of what was stated."""
        return 0.0 if self.stage.minutes is None else sum(self.stage.minutes) / 2


@dataclass(frozen=True)
class Batch:
    """One path of a course worked out: grams, feel, what the dough is made of, and what it can hold."""

    name: str
    formula: Formula
    weighed: Weighed
    makeup: Makeup
    feel: Feel
    pieces: int
    piece_g: float
    dough_g: float
    holds_bulk: float
    holds_shaped: float
    shaping: str
    target: ShareTarget
    school: str

    @property
    def leaven(self) -> str:
        """levain or yeast."""
        return self.formula.leaven


@dataclass(frozen=True)
class FilledPath:
    """A part's stages from the beginning to the oven and beyond; the first ``trunk`` of them are all parts' own."""

    name: str
    stages: tuple[Filled, ...]
    trunk: int
    batch: Batch

    @property
    def bake(self) -> FilledBake | None:
        """Its bake, if it has one."""
        return next((each.bake for each in self.stages if each.bake), None)

    @property
    def beside(self) -> tuple[Filled, ...]:
        """Stages that ripen beside the dough."""
        return tuple(each for each in self.stages if each.kind in BESIDE)


def fill(asked: Asked) -> tuple[FilledPath, ...]:
    """Every path of the method, filled. Raises CraftError if a stage cannot be: it names stage and remedy."""
    weighed = weigh(asked.formula, asked.pieces, asked.scaling_weight_g, asked.stays_behind)
    return tuple(_path(asked, name, stages, weighed) for name, stages in asked.method.paths)


def _path(asked: Asked, name: str, stages: tuple[Stage, ...], weighed: Weighed) -> FilledPath:
    trunk = len(asked.method.stages)
    pieces = asked.method.pieces_of(name, asked.pieces)
    dough = feel(asked.formula)
    kneaded = _kneaded(stages, dough)
    filled: list[Filled] = []
    folded_yet = False
    for place, stage in enumerate(stages):
        part = name if place >= trunk else ""
        own = pieces if place >= trunk else asked.pieces
        cold_load = stage.kind == "bake" and _cold_before(stages[:place])
        made = _filled(asked, stage, part, place + 1, own, dough, kneaded, folded_yet, cold_load)
        folded_yet = folded_yet or (made.kind == "bulk" and not made.cold)
        filled.append(made)
    return FilledPath(name, tuple(filled), trunk, _batch(asked, name, tuple(filled), pieces, weighed, dough))


def _kneaded(stages: tuple[Stage, ...], dough: Feel) -> bool:
    """Whether gluten is developed by hands or a mixer rather than by folds."""
    if any(stage.kind == "knead" for stage in stages):
        return True
    by = next((stage.by for stage in stages if stage.kind == "mix"), None)
    return by in KNEAD_MIN or (by is None and dough.knead)


def _cold_before(stages: tuple[Stage, ...]) -> bool:
    """Whether what stands last before the oven is the fridge."""
    last = next((stage for stage in reversed(stages) if stage.kind in ("proof", "keep", "warm_up", "bulk")), None)
    return last is not None and last.place is not None and last.place.name == "fridge"


def _filled(
    asked: Asked, stage: Stage, part: str, number: int, pieces: int, dough: Feel, kneaded: bool,
    folded_yet: bool, cold_load: bool,
) -> Filled:  # fmt: skip
    """One stage, what it leaves out filled."""
    why: list[tuple[str, Message]] = []
    kind, formula = stage.kind, asked.formula
    row = _row(stage, formula, number) if kind in BESIDE else None
    if kind in ("bulk", "proof", "rest", "warm_up", "bench_rest", "autolyse", *BESIDE) and stage.place is None:
        place, reason = _place(asked, formula.leaven)
        stage = replace(stage, place=place)
        why.append(("place", reason))
    if kind == "keep" and stage.place is None:
        stage = replace(stage, place=FRIDGE)
        why.append(("place", message("course-why-keep")))
    if kind == "mix" and stage.by is None:
        stage = replace(stage, by="folds" if kneaded and not dough.knead else mixing_for(dough))
        why.append(("by", message("course-why-by", feel=dough.word)))
    if kind == "mix" and stage.late is None:
        late = _late(formula)
        stage = replace(stage, late=late)
        if late:
            why.append(("late", message("course-why-late")))
    if kind == "knead" and stage.by is None:
        stage = replace(stage, by="hand_kneading")
        why.append(("by", message("course-why-by", feel=dough.word)))
    minutes = _work_min(stage, pieces)
    if minutes is not None and stage.minutes is None:
        stage = replace(stage, minutes=(minutes, minutes))
        why.append(("minutes", message("course-why-minutes", pieces=pieces)))
    until = _until(stage, formula)
    if until is not None and stage.until is None:
        stage = replace(stage, until=until[0])
        why.append(("until", until[1]))
    if kind == "bulk" and stage.container is None:
        stage = replace(stage, container="box" if dough.boxed else "covered_bowl")
        why.append(("container", message("course-why-container", feel=dough.word)))
    if kind == "bulk" and stage.folds is None:
        series, reason = _folds(dough, kneaded, folded_yet or stage.place == FRIDGE)
        stage = replace(stage, folds=series)
        why.append(("folds", reason))
    bake = None
    if kind == "bake":
        bake = filled_bake(asked, stage.baking or Baking(), pieces, cold_load)
        why += list(bake.why)
    return Filled(stage, part, number, tuple(why), row, bake)


def _row(stage: Stage, formula: Formula, number: int) -> int:
    rows = rows_of(stage.kind, formula)
    if not rows or (stage.which or 0) >= len(rows):
        where = message("course-stage-named", number=number, kind=message(f"course-kind-{stage.kind}"))
        raise CraftError("method.stages", "course-nothing-ripens", stage=where)
    return rows[stage.which or 0]


def _place(asked: Asked, leaven: str) -> tuple[Place, Message]:
    """The room, if a dough ferments there or it was said how warm it stands; else somewhere warmer, or cooler."""
    mean = asked.stands[-1].ambient_c if asked.stands else room_mean_c(asked.kitchen)
    if asked.stands:
        return ROOM, message("course-why-room", mean=round(mean, 1))
    low, high = LIVES_BETWEEN_C[leaven]
    if mean < low:
        return WARM, message("course-why-too-cold", mean=round(mean, 1))
    if mean > high:
        return COOL_BATH, message("course-why-too-hot", mean=round(mean, 1))
    return ROOM, message("course-why-room", mean=round(mean, 1))


def room_mean_c(kitchen: Kitchen) -> float:
    """Mean warmth of the kitchen over a day, C."""
    asleep = kitchen.nights.length_h / 24
    return kitchen.room.night_c * asleep + kitchen.room.day_c * (1 - asleep)


def _late(formula: Formula) -> tuple[str, ...]:
    """What the formula says is worked in last."""
    late = ["salt"] if formula.salt_late else []
    late += ["water"] if formula.held_back_percent else []
    return (*late, *(extra.name for extra in formula.extras if extra.late))


def score_min(pieces: int) -> int:
    """Minutes in which so many loaves are scored (practice)."""
    return round(1 + 0.25 * pieces)


def _work_min(stage: Stage, pieces: int) -> float | None:
    """Usual minutes of hands for so many pieces (practice)."""
    by_kind = {
        "knock_back": 2.0,
        "fold": 3.0,
        "divide": round(3 + 0.75 * pieces),
        "preshape": round(2 + 0.75 * pieces),
        "shape": round(5 + 1.5 * pieces),
        "finish": round(2 + 0.5 * pieces),
        "score": score_min(pieces),
    }
    if stage.kind == "mix":
        return MIX_MIN.get(stage.by or "", MIX_ELSE_MIN)
    if stage.kind == "knead":
        return KNEAD_MIN.get(stage.by or "", KNEAD_ELSE_MIN)
    return by_kind.get(stage.kind)


def usual_cool_min(formula: Formula) -> float:
    """How long a loaf cools before it is cut, min."""
    return float(RYE_COOL_MIN if formula.rye_rich else shape_row(formula.shape)["cool_min"])


def _until(stage: Stage, formula: Formula) -> tuple[Until, Message] | None:
    """What usually ends a stage of this kind, and why."""
    kind = stage.kind
    spans = {
        "soak": SOAK_MIN,
        "scald": SCALD_MIN,
        "autolyse": (float(formula.autolyse_min or 30),) * 2,
        "rest": (SHORT_REST_MIN,) * 2,
        "bench_rest": (BENCH_REST_MIN,) * 2,
        "warm_up": (WARM_UP_MIN,) * 2,
        "keep": KEEP_MIN,
    }
    if kind in spans:
        return Until("span", minutes=spans[kind]), message(f"course-why-until-{kind.replace('_', '-')}")
    if kind == "cool":
        minutes = usual_cool_min(formula)
        return Until("span", minutes=(minutes, minutes)), message("course-why-until-cool")
    if kind in BESIDE:
        return Until("ripe"), message("course-why-until-ripe")
    if kind in ("bulk", "proof"):
        if stage.place is not None and stage.place.name == "fridge":
            return Until("span", minutes=COLD_HOLD_MIN), message("course-why-until-cold")
        return Until("ready"), message("course-why-until-ready")
    return None


def _folds(dough: Feel, kneaded: bool, no_more: bool) -> tuple[tuple[Series, ...], Message]:
    """As many sets as the dough asks for; none if it is kneaded, or folded before."""
    if no_more:
        return (), message("course-why-folds-before")
    if kneaded:
        return (), message("course-why-folds-kneaded")
    if not dough.folds:
        return (), message("course-why-folds-none")
    gap = float(dough.fold_every_min)
    reason = message("course-why-folds", count=dough.folds, feel=dough.word)
    if dough.boxed and dough.folds > 2:
        first = Series("bowl", 2, gap, (gap, gap))
        return (first, Series("coil", dough.folds - 2, 3 * gap, (gap, gap))), reason
    return (Series("stretch", dough.folds, gap, (gap, gap)),), reason


def _batch(asked: Asked, name: str, stages: tuple[Filled, ...], pieces: int, weighed: Weighed, dough: Feel) -> Batch:
    formula = asked.formula
    lively = asked.starter.vigour.likely if asked.starter and formula.by_culture_alone else 1.0
    lively *= asked.learnt.pace
    share = pieces / asked.pieces
    made = replace(
        asked.makeup, flour_g=weighed.flour_g * share, dough_g=weighed.dough_g * share,
        folded=developed_by(stages, dough), liveliness=lively, pressure=air_pressure(asked.kitchen.altitude_m),
    )  # fmt: skip
    bake = next((each.bake for each in stages if each.bake), None)
    group = "stone" if bake is None else vessel_row(bake.vessel.kind)["proof_group"]
    if bake is not None and bake.heated == "none" and group == "hot_pot":
        group = "cold_start"
    cold = _cold_before(tuple(each.stage for each in stages[: next((i for i, e in enumerate(stages) if e.bake), 0)]))
    return Batch(
        name=name,
        formula=formula,
        weighed=weighed,
        makeup=made,
        feel=dough,
        pieces=pieces,
        piece_g=asked.scaling_weight_g,
        dough_g=weighed.dough_g * share,
        holds_bulk=greatest_rise(made, "bulk"),
        holds_shaped=greatest_rise(made, shaped_state(formula, group)),
        shaping=shaping_of(formula),
        target=proof_target(group, cold),
        school=asked.school,
    )


def developed_by(stages: tuple[Filled, ...], dough: Feel) -> float:
    """How much of the kneading or folding that it needs a dough gets, 0-1."""
    if not dough.knead and not dough.folds:
        return 1.0
    got = 0.0
    for each in stages:
        if each.kind in ("mix", "knead") and each.stage.by in KNEAD_MIN:
            wets = WETS_MIN if each.stage.by in BY_HAND else 2.0
            spent = each.work_min if each.kind == "knead" else max(each.work_min - wets, 0.0)
            got += spent / KNEAD_MIN[each.stage.by]
        sets = sum(series.count for series in each.stage.folds or ()) + (each.stage.count or 1) * (each.kind == "fold")
        got += sets / max(dough.folds, 3)
    return min(got, 1.0)


def ripened(asked: Asked, weighed: Weighed, path: FilledPath) -> tuple[tuple[Filled, Preferment, float], ...]:
    """Each levain and preferment that a path ripens, with its grams."""
    found = []
    for each in path.beside:
        if each.kind in ("levain", "preferment") and each.row is not None:
            found.append((each, asked.formula.preferments[each.row], weighed.stages[each.row].g))
    return tuple(found)
