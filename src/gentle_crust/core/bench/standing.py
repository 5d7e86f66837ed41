"""How a dough at the bench stands at one moment, and the question of its readiness that follows from it."""

from dataclasses import dataclass
from datetime import datetime, timedelta

from gentle_crust.core.bench.happened import Happened
from gentle_crust.core.fermentation.targets import ShareTarget
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.plan.ribbon import DRAWN_OF_DOUGH
from gentle_crust.core.plan.shown import Plan, RibbonPart
from gentle_crust.core.readiness.advice import Pace
from gentle_crust.core.readiness.cues import Dough, Leaven, Stage
from gentle_crust.core.readiness.judge import Question
from gentle_crust.core.readiness.prior import ShareBand

NARROW, WIDE = 0.9, 1.15
"""A bulk's own target: rises from this part of the plan's to that one (practice)."""
STILL_GLUTEN_H = 1.0
"""So long after mixing it is the gluten that is looked at (practice)."""
USUAL_C = 24.0
FALLEN = 0.05


FOLDS_FROM_C = 12.0
"""A dough that is colder does not stretch: it tears (practice)."""


@dataclass(frozen=True)
class Standing:
    """How a dough stands at one moment: the stage that it is judged at, its rise and temperature, and its forecast."""

    stage: Stage
    rise: float | None
    dough_c: float | None
    share: ShareBand | None
    share_target: ShareTarget | None
    pace: Pace | None
    past_peak: bool

    @property
    def may_fold(self) -> bool:
        """Whether a dough can be folded as it stands: in bulk, and not stiff with cold."""
        return self.stage == "bulk" and (self.dough_c is None or self.dough_c >= FOLDS_FROM_C)


def standing(plan: Plan, happened: Happened, now: datetime) -> Standing:
    """How a dough stands at ``now``, for whoever judges it."""
    times, holds = plan.times, plan.holds
    if times is None or holds is None:
        raise ValueError("a plan that is being baked has its times")
    if happened.done("load-1") is not None:
        return unforeseen("baked")
    if happened.done("mix-1") is None:
        builds = [part for part in plan.ribbon.parts if part.kind not in DRAWN_OF_DOUGH]
        begun = [part for part in builds if part.points[0].at <= now]
        return _of_build(begun[-1], now) if begun else unforeseen("gluten")
    shaped = _shaped(plan, happened)
    part = _stretch(plan, shaped, now)
    if part is None:
        return unforeseen("final_proof" if shaped else "gluten")
    rise, low, high, dough_c = _at(part, now)
    greatest = holds.shaped if shaped else holds.bulk
    share = ShareBand(*((1 + each) / (1 + greatest) for each in (min(low, rise), rise, max(high, rise))))
    ready = plan.dues.load if shaped and plan.dues else times.load if shaped else times.bulk_end
    pace = Pace(max((ready - now) / timedelta(minutes=1), 0.0) or None, None)
    if shaped:
        past = _past_peak(part, now)
        return Standing("final_proof", rise, dough_c, share, None, pace, past)
    if now - times.mix < timedelta(hours=STILL_GLUTEN_H):
        return Standing("gluten", rise, dough_c, None, None, None, False)
    aim = plan.proof.bulk_rise
    target = ShareTarget(*((1 + part_ * aim) / (1 + greatest) for part_ in (NARROW, WIDE)))
    return Standing("bulk", rise, dough_c, share, target, pace, False)


def _shaped(plan: Plan, happened: Happened) -> bool:
    """Whether the dough is in the pieces that are baked: shaped, or divided where nothing is shaped."""
    last = "shape" if any(step.kind == "shape" for step in plan.steps) else "divide"
    return happened.done(f"{last}-1") is not None


def _stretch(plan: Plan, shaped: bool, now: datetime) -> RibbonPart | None:
    """The stretch of its way that a dough is on: of the shaped dough, or of that before."""
    dough = [part for part in plan.ribbon.parts if part.kind in DRAWN_OF_DOUGH]
    at_bench = [place for place, part in enumerate(dough) if part.kind == "shaping"]
    after = at_bench[-1] + 1 if at_bench else 0
    own = dough[after:] if shaped else dough[:after] or dough
    own = [part for part in own if part.kind != "shaping"]
    begun = [part for part in own if part.points[0].at <= now]
    return (begun[-1] if begun else own[0]) if own else None


def _of_build(part: RibbonPart, now: datetime) -> Standing:
    """A culture or preferment that is ripening: it is ripe when it is wanted."""
    rise, low, high, dough_c = _at(part, now)
    top = max(point.rise for point in part.points)
    share = ShareBand(*((1 + each) / (1 + top) for each in (min(low, rise), rise, max(high, rise))))
    stage: Stage = "culture" if part.kind in ("feed", "levain") else "preferment"
    wanted = max((part.points[-1].at - now) / timedelta(minutes=1), 0.0)
    return Standing(stage, rise, dough_c, share, None, Pace(wanted or None, None), _past_peak(part, now))


def _at(part: RibbonPart, now: datetime) -> tuple[float, float, float, float]:
    """Rise with its band and temperature of a stretch of dough at an instant, between its points by straight line."""
    before = part.points[0]
    for point in part.points:
        if point.at > now:
            gap = (point.at - before.at) / timedelta(seconds=1)
            share = 0.0 if gap <= 0 else max((now - before.at) / timedelta(seconds=1) / gap, 0.0)
            pairs = [(getattr(before, n), getattr(point, n)) for n in ("rise", "rise_low", "rise_high", "dough_c")]
            rise, low, high, dough_c = (one + share * (other - one) for one, other in pairs)
            return rise, low, high, dough_c
        before = point
    return before.rise, before.rise_low, before.rise_high, before.dough_c


def _past_peak(part: RibbonPart, now: datetime) -> bool:
    """Whether the likely dough stood clearly higher before."""
    before = [point.rise for point in part.points if point.at <= now]
    return bool(before) and max(before) - before[-1] > FALLEN * (1 + max(before))


def unforeseen(stage: Stage) -> Standing:
    """A stage that the forecast says nothing of."""
    return Standing(stage, None, None, None, None, None, False)


def foretold_c(plan: Plan, at: datetime) -> float:
    """The dough's temperature by its forecast at an instant, C."""
    points = [point for part in plan.ribbon.parts if part.kind in DRAWN_OF_DOUGH for point in part.points]
    before = [point for point in points if point.at <= at]
    return (before[-1] if before else points[0]).dough_c


def leaven_of(formula: Formula) -> Leaven:
    """What raises a formula's dough, for its pace."""
    if formula.leaven == "yeast":
        return "yeast"
    return "levain" if formula.by_culture_alone else "mixed"


def question_of(
    saved: Plan,
    stands: Standing,
    vessel: str,
    formula: Formula,
    measured_c: float | None,
    cues: dict[str, str | float],
) -> Question:
    """The question of readiness of a dough: against its own plan, in what it is baked in, as warm as it is measured."""
    pace = stands.pace
    core = cues.get("core_c")
    if stands.stage == "baked" and isinstance(core, int | float):
        pace = Pace(saved.bake.still_min(float(core)) or None, None)
    warm = stands.dough_c if measured_c is None else measured_c
    target = None
    if stands.stage == "bulk":
        target = 100 * saved.proof.bulk_rise
    elif stands.stage == "baked":
        target = saved.bake.core_done_c
    return Question(
        stage=stands.stage,
        dough=Dough(
            USUAL_C if warm is None else warm,
            100 * formula.blend("rye_fraction"),
            leaven_of(formula),
            formula.hydration_percent / 100,
            saved.holds.bulk if saved.holds and stands.stage == "bulk" else None,
        ),
        share=stands.share,
        vessel=vessel,
        past_peak=True if stands.past_peak else None,
        cues=cues,
        target=target,
        share_target=stands.share_target,
        pace=pace,
    )
