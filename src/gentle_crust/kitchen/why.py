"""Why a bake of the log came out so: its record as a diagnosis takes it, and the faults of its loaf."""

from dataclasses import dataclass, replace
from math import exp
from typing import Any

from gentle_crust.contract import events as bodies
from gentle_crust.core.course.fill import fill
from gentle_crust.core.diagnosis.diagnose import Diagnosis, diagnose
from gentle_crust.core.diagnosis.record import Record, ShareLogged
from gentle_crust.core.diagnosis.seen import faults_not_seen, faults_seen
from gentle_crust.core.diagnosis.simulated import NOTHING_MORE, Known
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.model import Formula, brought_by
from gentle_crust.core.loaf.sheet import Sheet
from gentle_crust.core.oven.learnt import as_it_went
from gentle_crust.core.oven.lesson import OvenLearnt
from gentle_crust.kitchen.facts import Baked
from gentle_crust.kitchen.oven_lessons import OvenLessons
from gentle_crust.kitchen.side_by_side import SideBySide
from gentle_crust.kitchen.work import Work

SHARE_SPREAD = 0.07
SURE_PACE = 0.15
"""A pace told less surely than this (standard deviation of its logarithm) says nothing of one bake."""
TAUGHT_BY, AT_THE_BOIL_C = 4, 95.0
NO_LESSON = OvenLearnt()
OF_THE_FORMULA = ("salt_percent", "hydration_over_capacity", "flour_protein")
"""Changes that are made in the formula itself."""


@dataclass(frozen=True)
class Why:
    """A loaf's faults, by their codes, and what they come from; None while no fault was seen."""

    faults: tuple[str, ...]
    diagnosis: Diagnosis | None

    @property
    def in_formula(self) -> bool:
        """Whether the change that it proposes is to be made in the formula."""
        change = None if self.diagnosis is None else self.diagnosis.change
        return change is not None and change.what in OF_THE_FORMULA


def why(work: Work, key: str, part: str = "", more: tuple[str, ...] = ()) -> Why:
    """Diagnose a bake of the log by its record and its loaf's sheet; ``more``: faults that the sheet has no place for.

    Raises CraftError if there is no such bake, or for faults that there are not.
    """
    baked = SideBySide(work).baked(key, part)
    sheet = baked.sheet
    seen = tuple(dict.fromkeys((*(() if sheet is None else faults_seen(sheet)), *more)))
    if not seen:
        return Why((), None)
    absent = () if sheet is None else faults_not_seen(sheet, seen)
    oven = OvenLessons(work).in_use()
    record, known = record_of(baked, oven), known_of(baked)
    taught = record.chamber_c is not None and record_of(baked).chamber_c is None
    return Why(seen, diagnose(record, seen, absent, replace(known, oven_taught=taught)))


def known_of(baked: Baked) -> Known:
    """The bake's own dough and heat, for what a change would have made of it; as usual where they are not known."""
    if baked.question is None:
        return NOTHING_MORE
    try:
        path = fill(baked.question)[baked.place]
    except (CraftError, IndexError):
        return NOTHING_MORE
    baked_min = baked.figures.baked_min
    question = None if path.bake is None else path.bake.question
    if question is not None and baked_min:
        question = as_it_went(question, baked_min)
    return Known(path.batch.makeup, max(path.batch.piece_g, 30.0), question)


def record_of(baked: Baked, oven: OvenLearnt = NO_LESSON) -> Record:
    """What is known of a bake, and of its ``oven`` by what bakes have taught; None for what nobody measured or said."""
    figures, shown, sheet = baked.figures, baked.row.shown, baked.sheet
    formula = baked.saved.answer.formula
    proof = shown.get("proof") or {}
    done, planned = _folds(baked)
    first = _stages(shown)[0] if _stages(shown) else {}
    return Record(
        dough_c=figures.dough_c,
        room_c=baked.saved.answer.asked.room_day_c,
        leaven="mixed" if formula.leaven == "levain" and formula.yeast_percent else formula.leaven,
        leaven_vigour=_vigour(baked),
        bulk_rise=figures.end_rise if figures.end_rise is not None else figures.rise,
        bulk_wanted=_positive(proof.get("bulk_rise")),
        bulk_hours=None if figures.bulk_min is None else figures.bulk_min / 60,
        proof_share=_share(figures.share, proof),
        proof_hours=None if figures.proof_min is None else figures.proof_min / 60,
        folds_done=done,
        folds_planned=planned,
        kneaded=any(each.key.startswith("knead-") and not each.skipped for each in baked.story.happened.deeds) or None,
        hydration_over_capacity=round(formula.free_hydration_percent - formula.blend("absorption_percent"), 1),
        salt_percent=round(formula.salt_percent + brought_by(formula.all_extras, "salt"), 2),
        flour_protein=round(formula.blend("protein_percent"), 1),
        rye_percent=round(100 * formula.blend("rye_fraction"), 1),
        sugar_percent=round(brought_by(formula.all_extras, "sugar"), 1),
        scored=None if baked.done("score") else _unscored(formula, shown),
        vessel="tin" if formula.shape == "pan_loaf" else None,
        chamber_c=_chamber(baked, first.get("setpoint_c"), oven),
        set_c=first.get("setpoint_c"),
        baked_min=None if figures.baked_min is None else float(figures.baked_min),
        core_c=_core(baked),
        colour=None if sheet is None else sheet.top_colour,
        base_colour=None if sheet is None else sheet.base_colour,
        loss_fraction=_loss(baked, sheet),
        cooled_min=None if sheet is None else sheet.cut_min,
        days_old=0.0,
        cold_hours=_positive(proof.get("fridge_hours")),
    )


def _positive(value: Any) -> float | None:
    return float(value) if isinstance(value, (int, float)) and value > 0 else None


def _share(likely: float | None, proof: dict[str, Any]) -> ShareLogged | None:
    """The share at loading with its band: the plan's, moved to where the last verdict saw it."""
    if likely is None:
        return None
    low, high, middle = (proof.get(name) for name in ("share_low", "share_high", "share"))
    if not all(isinstance(each, (int, float)) for each in (low, high, middle)):
        return ShareLogged(likely - SHARE_SPREAD, likely, min(likely + SHARE_SPREAD, 1.0))
    return ShareLogged(likely - (middle - low) / 2, likely, min(likely + (high - middle) / 2, 1.0))  # type: ignore[operator]


def _folds(baked: Baked) -> tuple[int | None, int | None]:
    """Sets of folds that were done, and that were planned; None where none were."""
    steps = baked.row.shown.get("steps") or []
    planned = sum(str(each.get("kind")) == "fold" for each in steps)
    deeds = baked.story.happened.deeds
    done = sum(each.key.startswith(("fold-", "extra_fold")) and not each.skipped for each in deeds)
    return (done, planned) if planned else (None, None)


def _stages(shown: dict[str, Any]) -> list[dict[str, Any]]:
    bake = shown.get("bake")
    return list(bake.get("stages") or []) if isinstance(bake, dict) else []


def _unscored(formula: Formula, shown: dict[str, Any]) -> Any:
    """Not scored, if a score was planned and was not pressed."""
    planned = any(str(each.get("kind")) == "score" for each in shown.get("steps") or [])
    return "none" if planned and formula.shape not in ("slipper", "flat_round") else None


def _vigour(baked: Baked) -> float | None:
    """How fast its leaven worked beside a usual one, its warmth aside, if enough was read of it."""
    told = baked.tells.pace
    return round(exp(told[0]), 2) if told is not None and told[1] <= SURE_PACE else None


def _chamber(baked: Baked, set_c: Any, oven: OvenLearnt) -> float | None:
    """What a thermometer in the oven showed last; else what its bakes have taught of it.

    An oven whose heat is taken up more slowly bakes like a cooler one: as a loaf at the boil sees it.
    """
    read = [float(each.body["value"]) for each in baked.story.of(bodies.READ) if each.body["kind"] == bodies.OVEN]
    if read:
        return read[-1]
    if oven.bakes < TAUGHT_BY or not isinstance(set_c, int | float):
        return None
    return round(set_c + oven.heat_k + (oven.pace - 1) * (set_c - AT_THE_BOIL_C), 0)


def _core(baked: Baked) -> float | None:
    """The core that was measured last."""
    found = [float(each.body["value"]) for each in baked.story.of(bodies.READ) if each.body["kind"] == "core_c"]
    return found[-1] if found else None


def _loss(baked: Baked, sheet: Sheet | None) -> float | None:
    if sheet is None or sheet.out_g is None or not baked.piece_g:
        return None
    loss = 1 - sheet.out_g / baked.piece_g
    return round(loss, 3) if 0 < loss < 0.6 else None
