"""A planned course as it is shown and kept."""

from dataclasses import dataclass
from datetime import datetime

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.fill import Batch, usual_cool_min
from gentle_crust.core.course.plan import CoursePlan
from gentle_crust.core.course.problems import Problem as CourseProblem
from gentle_crust.core.course.solved import PartCourse, Solved, last_share
from gentle_crust.core.course.standing import Run
from gentle_crust.core.fermentation.engine import rise_of
from gentle_crust.core.fermentation.targets import share_of_greatest
from gentle_crust.core.fermentation.uncertainty import band
from gentle_crust.core.learning.learnt import notes_of
from gentle_crust.core.messages import NOTHING, Message, message
from gentle_crust.core.oven.profile import BakeProfile
from gentle_crust.core.plan.bake_shown import bake_shown
from gentle_crust.core.plan.costs import costs
from gentle_crust.core.plan.levains import levain_builds
from gentle_crust.core.plan.milestones import Milestones, milestones, rise_at_end, way_of, when_there
from gentle_crust.core.plan.ribbon import dough_parts, draw
from gentle_crust.core.plan.shown import Dues, FoldPlan, Holds, PartOut, Plan, PlanTimes, Problem, Proof, Told
from gentle_crust.core.plan.steps_shown import steps_shown
from gentle_crust.core.plan.weigh_list import by_feel, feeling, totals_of, weigh_stages
from gentle_crust.core.water.plan import NEAR_K, WaterAnswer
from gentle_crust.core.water.taps import kettle_c

ENGINE = "5"
"""Version of the rules that a plan was reckoned with; raised whenever a plan's figures would change."""
LEAST_GAP, MOST_GAP = 10, 60
"""Between folds, min: all of it is forgiving (practice)."""


@dataclass(frozen=True)
class Wanted:
    """What a plan answers: when the bread is wanted, and whether that is out of the oven or cool enough to cut."""

    ready: datetime | None
    means_cut: bool = False


def tell(made: CoursePlan, wanted: Wanted, told: Told | None = None, dues: Dues | None = None) -> Plan:
    """A planned course as it is shown. ``told`` and ``dues`` of one under way: what readings told, what is due when."""
    solved, kitchen, clock = made.solved, made.asked.kitchen, made.solved.clock
    part, times = solved.parts[0], milestones(solved)
    batch = part.path.batch
    bake = _bake(solved, batch)
    bulk, load = when_there(solved, times.bulk, batch), when_there(solved, times.proof, batch)
    steps = steps_shown(solved, made.steps, times, bulk, load)
    out = max(each.out for each in solved.parts)
    cools_h = bake.cool_min / 60 if wanted.means_cut else 0.0
    folds = fold_plan(solved, times)
    return Plan(
        engine=ENGINE,
        ready=clock.at(out + cools_h) if wanted.ready is None else wanted.ready,
        out=clock.at(out),
        begins=steps[0].at,
        steps=steps,
        weigh=weigh_stages(solved, made.water),
        totals=totals_of(batch.weighed),
        water=made.water,
        tap_c=kitchen.tap_c,
        kettle_c=kettle_c(kitchen.altitude_m),
        feel=feeling(batch, folds.count),
        by_feel=by_feel(batch.formula, batch.weighed.flour_g),
        proof=_proof(solved, times, batch),
        bake=bake,
        ribbon=draw(solved, times, bake, clock.hours(made.asked.now)),
        problems=tuple(_problem(each) for each in made.problems),
        notes=_notes(solved, made.water, bake, times),
        times=plan_times(solved, times),
        costs=costs(solved, times, bulk or when_there(solved, _warm_bulk(solved, times), batch), steps, clock),
        fold_plan=folds,
        told=told,
        levains=levain_builds(solved),
        starter=made.asked.starter,
        dues=dues,
        holds=Holds(batch.holds_bulk, batch.holds_shaped),
        outs=_outs(solved),
    )


def _warm_bulk(solved: Solved, times: Milestones) -> Run | None:
    """The last bulk that is not in the fridge."""
    bulks = [run for run in way_of(solved) if run.filled.kind == "bulk" and run.start < times.load]
    return next((run for run in reversed(bulks) if not run.filled.cold), None)


def plan_times(solved: Solved, times: Milestones) -> PlanTimes:
    """The moments of a course as instants."""
    return PlanTimes(
        *(solved.clock.at(at) for at in (times.mix, times.bulk_end, times.proof_start, times.load, times.chill))
    )


def _outs(solved: Solved) -> tuple[PartOut, ...]:
    if len(solved.parts) < 2:
        return ()
    return tuple(_part_out(part, solved.clock) for part in solved.parts)


def _part_out(part: PartCourse, clock: Clock) -> PartOut:
    """A part with its dough from where it parts on."""
    load = None if part.baked is None else clock.at(part.baked.start)
    ribbon = dough_parts(part.runs, part.path.batch, clock)
    return PartOut(part.path.name, part.path.batch.pieces, clock.at(part.out), load, ribbon)


def _bake(solved: Solved, batch: Batch) -> BakeProfile:
    """The bake of the first part; a method that is not baked is shown the bake that it would have."""
    part = solved.parts[0]
    cool = next((60 * run.hours for run in part.runs if run.filled.kind == "cool"), usual_cool_min(batch.formula))
    if part.bake is None:
        return BakeProfile(0, 0.0, (), False, True, 96.0, round(cool), 1, batch.pieces, 0.0)
    return bake_shown(part.bake, batch.pieces, cool)


def _problem(each: CourseProblem) -> Problem:
    return Problem(each.code, each.text, each.minutes, each.stage, each.part)


def _proof(solved: Solved, times: Milestones, batch: Batch) -> Proof:
    """Where the dough meets the oven beside its target, and how far bulk goes."""
    share = low = high = 0.0
    if times.baked is not None and times.baked.before is not None:
        shares = share_of_greatest(rise_of(batch.makeup, times.baked.before)[None], batch.holds_shaped)
        lows, highs = band(shares)
        share, low, high = float(shares[0, shares.shape[1] // 2]), float(lows[0]), float(highs[0])
    cold = [each for each in way_of(solved) if each.filled.cold and each.start >= times.proof_start - 1e-6]
    last = last_share(solved.parts[0], solved.clock)
    return Proof(
        target_low=batch.target.low,
        target_high=batch.target.high,
        share=share,
        share_low=low,
        share_high=high,
        last_load_share=share if last is None else last,
        bulk_rise=rise_at_end(times.bulk),
        fridge_hours=sum(each.hours for each in cold if each.end <= times.load + 1e-6),
    )


def fold_plan(solved: Solved, times: Milestones) -> FoldPlan:
    """The folds that the dough gets on its way, and which of them may slip."""
    runs = [run for run in way_of(solved) if run.start <= times.load]
    folds = sorted([at for run in runs for at in run.folds] + [run.start for run in runs if run.filled.kind == "fold"])
    batch = solved.parts[0].path.batch
    if not folds:
        return FoldPlan("", 0, 0, 0, 0, _no_folds(solved, batch))
    every = round(60 * (folds[1] - folds[0])) if len(folds) > 1 else batch.feel.fold_every_min or 30
    kinds = dict.fromkeys(series.kind for run in runs for series in run.filled.stage.folds or () if series.count)
    kind = message(f"shown-folds-kind-{'-'.join(kinds) if len(kinds) < 3 and kinds else 'stretch'}")
    if len(folds) == 1:
        return FoldPlan("folds", 1, every, LEAST_GAP, MOST_GAP, message("shown-folds-one", kind=kind))
    code = "shown-folds-more" if len(folds) > 2 else "shown-folds-two"
    said = message(code, count=len(folds), kind=kind, every=every, least=LEAST_GAP, most=MOST_GAP)
    return FoldPlan("folds", len(folds), every, LEAST_GAP, MOST_GAP, said)


def _no_folds(solved: Solved, batch: Batch) -> Message:
    """Why a dough is not folded."""
    bulks = [run.filled for run in way_of(solved) if run.filled.kind == "bulk"]
    asked = any(series.count for each in bulks for series in each.stage.folds or ())
    if asked:
        return message("shown-folds-too-short")
    if batch.feel.knead or any(run.filled.kind == "knead" for run in way_of(solved)):
        return message("shown-folds-kneaded")
    return message("shown-folds-none" if batch.feel.folds else "shown-folds-paste")


def _of_yeast(asked: Asked) -> Message:
    """What the test of the dry yeast means for a dough that is made with it."""
    formula, strength = asked.formula, asked.kitchen.yeast_strength
    in_dough = formula.yeast_percent > 0 and formula.yeast_kind != "fresh"
    if strength == 1 or not (in_dough or any(one.yeast_percent for one in formula.preferments)):
        return NOTHING
    if not strength:
        return message("shown-note-dead-yeast")
    return message("shown-note-weak-yeast", percent=round(100 * strength))


def _notes(solved: Solved, water: WaterAnswer, bake: BakeProfile, times: Milestones) -> tuple[Message, ...]:
    """What is worth knowing that is no problem."""
    wished = solved.asked.dough_c
    found = [NOTHING]
    if abs(water.dough_c - wished) > NEAR_K:
        found.append(message("shown-note-cooler", gives=round(water.dough_c, 1), wished=round(wished, 1)))
    if bake.loads > 1:
        found.append(message("shown-note-loads", at_once=bake.pieces_per_load, loads=bake.loads))
    if bake.short_k > 0:
        found.append(message("shown-note-short", short=round(bake.short_k)))
    if times.proof is None:
        found.append(message("shown-note-no-proof"))
    found.append(_of_yeast(solved.asked))
    by_jar = solved.asked.starter is not None and solved.asked.formula.by_culture_alone
    found += notes_of(solved.asked.learnt, solved.asked.scaling_weight_g, by_jar)
    return tuple(each for each in found if each)
