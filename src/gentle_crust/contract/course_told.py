"""A solved course as it is answered."""

from datetime import datetime, timedelta
from zoneinfo import ZoneInfo

from gentle_crust.contract.course_plan import (
    BakePreheat,
    BakeSteam,
    BakeVessel,
    CourseAnswer,
    CourseBake,
    CourseMend,
    CourseProblem,
    CourseStage,
    CourseStep,
    DoughWarmth,
    LikelyBand,
    StepAmount,
    StyleAnswer,
)
from gentle_crust.core.course.as_written import as_written
from gentle_crust.core.course.baking import FilledBake
from gentle_crust.core.course.fill import Filled
from gentle_crust.core.course.mends import Mend, mends
from gentle_crust.core.course.plan import CoursePlan
from gentle_crust.core.course.problems import Problem
from gentle_crust.core.course.ripen import Beside
from gentle_crust.core.course.standing import Run
from gentle_crust.core.course.steps import Step
from gentle_crust.core.course.styles import Style
from gentle_crust.core.fermentation.engine import Trace
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.targets import share_of_greatest
from gentle_crust.core.fermentation.uncertainty import band
from gentle_crust.core.formula.scaling import weigh
from gentle_crust.core.messages import message

FEED_WHY = message("course-why-feed")
ENDS = {
    "core": "core_c", "crust": "crust_c", "colour": "colour", "base_colour": "base_colour", "loss": "loss_fraction",
    "crust_mm": "crust_mm",
}  # fmt: skip
UNFERMENTED = ("bake", "cool")


def told(made: CoursePlan) -> CourseAnswer:
    """A plan as it is answered: times with their offset in the kitchen's zone."""
    solved, asked = made.solved, made.asked
    times = _Times(solved.clock.origin, asked.kitchen.zone)
    stages = [_beside(each, times) for each in solved.beside] + [_stage(run, times) for run in solved.runs]
    return CourseAnswer(
        begins=times.at(min(step.at for step in made.steps)),
        stages=sorted(stages, key=lambda each: datetime.fromisoformat(each.at)),
        steps=[_step(step, times) for step in made.steps],
        out={part.path.name: times.at(part.out) for part in solved.parts},
        problems=[_problem(each, mend) for each, mend in zip(made.problems, mends(made), strict=True)],
        weigh=list(weigh(asked.formula, asked.pieces, asked.scaling_weight_g).stages),
        bake={part.path.name: None if part.bake is None else _bake(part.bake) for part in solved.parts},
    )


def style_told(style: Style) -> StyleAnswer:
    """A style as it is answered."""
    return StyleAnswer(id=style.id, name=style.name, fits=list(style.fits), method=as_written(style.method))


class _Times:
    """Hours from an origin as local times with their offset, to the second."""

    def __init__(self, origin: datetime, zone: str) -> None:
        self.origin, self.zone = origin, ZoneInfo(zone)

    def at(self, hours: float) -> str:
        when = self.origin + timedelta(seconds=round(3600 * hours))
        return when.astimezone(self.zone).replace(microsecond=0).isoformat()


def _likely(row: Floats) -> LikelyBand:
    low, high = (float(end[0]) for end in band(row[None, :]))
    return LikelyBand(low=round(low, 3), likely=round(float(row[len(row) // 2]), 3), high=round(high, 3))


def _warmth(trace: Trace, row: int) -> DoughWarmth:
    return DoughWarmth(from_=round(float(trace.dough_c[0]), 1), to=round(float(trace.dough_c[row]), 1))


def _stage(run: Run, times: _Times) -> CourseStage:
    each, trace = run.filled, run.trace
    return _named(
        each,
        (run.start, run.end),
        times,
        None if trace is None else _warmth(trace, -1),
        None if trace is None else _likely(trace.rise[-1]),
        None if trace is None else _likely(share_of_greatest(trace.rise[-1], run.holds)),
    )


def _named(
    each: Filled, when: tuple[float, float], times: _Times, warmth: DoughWarmth | None, rise: LikelyBand | None,
    share: LikelyBand | None,
) -> CourseStage:  # fmt: skip
    start, end = when
    return CourseStage(
        part=each.part,
        number=each.number,
        kind=each.kind,
        id=each.id,
        place=None if each.kind in UNFERMENTED else each.place.name,
        at=times.at(start),
        ends=times.at(end),
        minutes=round(60 * (end - start), 1),
        dough_c=warmth,
        rise=rise,
        share=share,
        filled=dict(each.why),
    )


def _beside(each: Beside, times: _Times) -> CourseStage:
    """A feed, levain, preferment or soaker; its rise is its jar's as it is wanted."""
    rise = warmth = None
    if each.ripening is not None:
        trace = each.ripening.trace
        rise, warmth = _likely(trace.rise[each.row]), _warmth(trace, each.row)
    if each.filled is not None:
        return _named(each.filled, (each.start, each.wanted), times, warmth, rise, None)
    return CourseStage(
        part="", number=0, kind=each.kind, id=each.kind, place="room", at=times.at(each.start),
        ends=times.at(each.wanted), minutes=round(60 * (each.wanted - each.start), 1), dough_c=warmth, rise=rise,
        share=None, filled={"feed": FEED_WHY},
    )  # fmt: skip


def _step(step: Step, times: _Times) -> CourseStep:
    steams = step.step in ("steam_in", "steam_out")
    return CourseStep(
        part=step.part,
        stage=step.stage,
        step=step.step,
        number=step.number,
        of=step.of,
        at=times.at(step.at),
        minutes=round(step.minutes, 1),
        cautions=list(step.cautions),
        amount=StepAmount(what=step.what, g=step.g) if steams else None,
        text=step.text,
    )


def _problem(problem: Problem, mend: Mend | None) -> CourseProblem:
    return CourseProblem(
        code=problem.code,
        stage=problem.stage,
        part=problem.part,
        text=problem.text,
        mend=None if mend is None else CourseMend(text=mend.text, change=mend.change),
    )


def _bake(bake: FilledBake) -> CourseBake:
    vessel, heating = bake.vessel, bake.preheat
    return CourseBake(
        vessel=BakeVessel(
            kind=vessel.kind, preheated=bake.preheated, base_kg=vessel.base_kg, lid_kg=vessel.lid_kg,
            inside_l=vessel.inside_l,
        ),
        preheat=BakePreheat(setpoint_c=heating.setpoint_c, minutes=heating.minutes, fan=heating.fan),
        steam=[BakeSteam(kind=each.kind, g=each.g, at_min=each.at_min) for each in bake.steam],
        stages=list(bake.stages),
        done_min=bake.done_min,
        end={ENDS[line]: round(value, 4 if line == "loss" else 1) for line, value in bake.end},
    )  # fmt: skip
