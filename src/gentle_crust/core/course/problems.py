"""What of a course cannot be met: which stage, by how much."""

from dataclasses import dataclass

import numpy as np

from gentle_crust.core.course.fill import Filled
from gentle_crust.core.course.solved import PartCourse, Solved
from gentle_crust.core.course.standing import Run, near_target, share_at_load
from gentle_crust.core.course.steps import Step
from gentle_crust.core.course.taken import Meeting, Taken, litres_of, meets, most_litres
from gentle_crust.core.course.targets import least_rise
from gentle_crust.core.course.waters import HOTTEST_POUR_C
from gentle_crust.core.messages import Message, message, named
from gentle_crust.core.oven.equipment import TOO_COOL_K
from gentle_crust.core.water.plan import WaterAnswer

CODES = (
    "past", "late", "early", "asleep", "unripe", "no_rise", "never_warms", "never_ready", "under_proofed",
    "over_proofed", "proof_too_short", "young_culture", "water_hot", "vessel", "oven", "unsafe", "oven_taken",
    "hands_taken", "fridge_full",
)  # fmt: skip
A_MINUTE_H = 1 / 60
NEAR_H = 2 / 60
LEAST_PROOF_MIN = 8.0
"""A proof over so soon was over before it began: what came before it took its part (practice)."""
NEARLY_RISEN = 0.8
UNRIPE_SHARE = 0.25
"""What ripens so much later than it is wanted, beside its whole time, is not ripe then."""
YOUNG_H = 0.35
WANTS_HOTTER_K = 1.0


@dataclass(frozen=True)
class Problem:
    """What cannot be met: a code, the stage and part that it is about, the sentence, by how many minutes."""

    code: str
    stage: str
    part: str
    text: Message
    minutes: float = 0.0


def find(solved: Solved, steps: tuple[Step, ...], water: WaterAnswer) -> tuple[Problem, ...]:
    """All problems of a course, the gravest first."""
    found = [*_past(solved, steps), *_ripe(solved)]
    for run in solved.runs:
        found += _stage(solved, run)
    for part in solved.parts:
        found += [*_time(part), *_proof(solved, part), *_oven(solved, part)]
    found += [*_too_cold_to_mix(solved, water), *_taken(solved, steps), *_asleep(solved, steps)]
    return tuple(found)


def called(filled: Filled) -> Message:
    """A stage as a sentence about it begins, with its part where the dough goes different ways."""
    kind = message(f"course-kind-{filled.kind}")
    if not filled.part:
        return message("problem-stage", number=filled.number, kind=kind)
    return message("problem-stage-of-part", part=named(filled.part), number=filled.number, kind=kind)


def _past(solved: Solved, steps: tuple[Step, ...]) -> list[Problem]:
    first = min(steps, key=lambda step: step.at)
    missed = solved.clock.hours(solved.asked.now) - first.at
    if missed <= A_MINUTE_H:
        return []
    text = message(
        "problem-past",
        step=message(f"course-step-{first.step}"),
        at=solved.clock.at(first.at),
        minutes=round(60 * missed),
    )
    return [Problem("past", first.stage, first.part, text, 60 * missed)]


def _ripe(solved: Solved) -> list[Problem]:
    found = []
    for each in solved.beside:
        ripening = each.ripening
        if ripening is None or each.filled is None:
            continue
        stage, part = each.filled.id, each.filled.part
        ripe = ripening.ripe.likely
        if each.filled.until.way == "ripe" and (
            ripe is None or ripe > each.wanted + max(1.0, UNRIPE_SHARE * (each.wanted - each.start))
        ):
            found.append(Problem("unripe", stage, part, message("problem-unripe", stage=called(each.filled))))
        starter = solved.asked.starter
        if starter is not None and starter.seed_from is not None and each.kind in ("feed", "levain"):
            hours = starter.too_young_h(solved.clock.at(each.start))
            if hours >= YOUNG_H:
                text = message("problem-young", at=solved.clock.at(each.start), time=starter.seed_from)
                found.append(Problem("young_culture", stage, part, text, 60 * hours))
                break
    return found


def _stage(solved: Solved, run: Run) -> list[Problem]:
    """A stage that does not come to its end where it stands, or hardly ferments there."""
    each = run.filled
    if run.trace is None:
        return []
    if not run.reached:
        if each.until.way == "dough_c":
            comes_to = round(float(run.trace.dough_c[-1]), 1)
            text = message("problem-never-warms", stage=called(each), wanted=each.until.value, comes_to=comes_to)
            return [Problem("never_warms", each.id, each.part, text)]
        most = round(100 * float(run.trace.rise[:, run.trace.rise.shape[1] // 2].max()))
        code = "no_rise" if each.kind == "bulk" else "never_ready"
        return [
            Problem(
                code, each.id, each.part, message(f"problem-{code.replace('_', '-')}", stage=called(each), rise=most)
            )
        ]
    if each.kind == "proof" and each.until.way in ("ready", "judged") and 60 * run.hours < LEAST_PROOF_MIN:
        return [Problem("proof_too_short", each.id, each.part, message("problem-proof-too-short", stage=called(each)))]
    if each.kind != "bulk" or each.until.way not in ("ready", "judged"):
        return []
    batch = solved.parts[0].path.batch
    rise = float(run.trace.rise[-1, run.trace.rise.shape[1] // 2])
    chained = any(
        other.filled.kind in ("bulk", "keep") and other.start >= run.end - 1e-6 and other.start < run.end + 0.1
        for other in solved.runs
    )
    if rise >= NEARLY_RISEN * least_rise(batch) or chained:
        return []
    return [
        Problem("no_rise", each.id, each.part, message("problem-no-rise", stage=called(each), rise=round(100 * rise)))
    ]


def _time(part: PartCourse) -> list[Problem]:
    """A part that leaves the oven at another time than it is wanted."""
    if abs(part.off_h) <= NEAR_H:
        return []
    minutes = float(round(60 * abs(part.off_h)))
    code = "late" if part.off_h > 0 else "early"
    hold = next(
        (
            run.filled
            for run in reversed(part.runs)
            if run.filled.until.way == "span"
            and run.filled.stage.minutes is None
            and not run.filled.bake
            and run.filled.kind != "cool"
        ),
        (part.baked or part.runs[-1]).filled,
    )
    text = message(f"problem-{code}", stage=called(hold), minutes=round(minutes))
    return [Problem(code, hold.id, part.path.name, text, minutes)]


def _proof(solved: Solved, part: PartCourse) -> list[Problem]:
    """Whether the dough meets the oven inside its target."""
    batch = part.path.batch
    runs = (*solved.trunk, *part.runs)
    share = share_at_load(batch, runs)
    loaded = part.baked
    if share is None or loaded is None:
        return []
    below, above = near_target(runs)
    last = next(
        (
            run.filled
            for run in reversed(runs)
            if run.end <= loaded.start + 1e-6 and run.trace is not None and run.filled.stage.minutes is None
        ),
        loaded.filled,
    )
    if batch.target.low - below <= share <= batch.target.high + above:
        return []
    code = "over_proofed" if share > batch.target.high else "under_proofed"
    text = message(
        f"problem-{code.replace('_', '-')}", stage=called(last), share=round(100 * share),
        low=round(100 * batch.target.low), high=round(100 * batch.target.high),
    )  # fmt: skip
    return [Problem(code, last.id, last.part, text)]


def _oven(solved: Solved, part: PartCourse) -> list[Problem]:
    if part.baked is None or part.bake is None:
        return []
    filled, bake, found = part.baked.filled, part.bake, []
    if bake.misfit:
        found.append(Problem("vessel", filled.id, part.path.name, bake.misfit))
    if bake.refused:
        found.append(Problem("unsafe", filled.id, part.path.name, bake.refused))
    if bake.short_k > TOO_COOL_K:
        wanted, reaches = bake.preheat.setpoint_c + bake.short_k, bake.oven.top_c
        text = message("problem-oven-too-cool", wanted=round(wanted), reaches=round(reaches), short=round(bake.short_k))
        found.append(Problem("oven", filled.id, part.path.name, text))
    return found


def _too_cold_to_mix(solved: Solved, water: WaterAnswer) -> list[Problem]:
    """A dough that would need water too hot for its leaven to leave the bowl as warm as was wished."""
    wished = solved.asked.dough_c
    if water.dough_c > wished - WANTS_HOTTER_K or water.water_c < HOTTEST_POUR_C - 1:
        return []
    mix = next(run.filled for run in solved.runs if run.filled.kind == "mix")
    text = message("problem-water-hot", wished=wished, water=round(water.water_c), becomes=round(water.dough_c, 1))
    return [Problem("water_hot", mix.id, mix.part, text)]


def _taken(solved: Solved, steps: tuple[Step, ...]) -> list[Problem]:
    """The oven, the baker's hands or the fridge, wanted while another dough has them."""
    taken, clock, found = solved.asked.taken, solved.clock, []
    for run in solved.runs:
        each = run.filled
        if each.bake is not None:
            met = meets(taken, "oven", clock, run.start - each.bake.preheat.minutes / 60, run.end)
            if met is not None:
                text = message(
                    "problem-oven-taken", stage=called(each), name=named(met.name), after=clock.at(met.until)
                )
                found.append(Problem("oven_taken", each.id, each.part, text, met.minutes))
    hit = [(step, met) for step in steps if step.minutes and (met := _hands(solved, step)) is not None]
    if hit:
        step, met = hit[0]
        text = message(
            "problem-hands-taken", step=message(f"course-step-{step.step}"), at=clock.at(step.at), name=named(met.name),
            more=len(hit) - 1,
        )  # fmt: skip
        found.append(Problem("hands_taken", step.stage, step.part, text, met.minutes))
    return [*found, *_fridge(solved)]


def _hands(solved: Solved, step: Step) -> Meeting | None:
    return meets(solved.asked.taken, "hands", solved.clock, step.at, step.at + step.minutes / 60)


def _fridge(solved: Solved) -> list[Problem]:
    """A fridge that does not hold what is to stand in it at once."""
    room = solved.asked.kitchen.fridge_l
    if room is None:
        return []
    clock = solved.clock
    cold = [run for run in solved.runs if run.trace is not None and run.filled.cold]
    own = [
        Taken("fridge", "", clock.at(run.start), clock.at(run.end), litres_of(_grams(solved, run.filled.part)))
        for run in cold
    ]
    for run, stands in zip(cold, own, strict=True):
        beside = (*solved.asked.taken, *(each for each in own if each is not stands))
        others = most_litres(beside, clock, run.start, run.end)
        if stands.litres + others > room:
            text = message(
                "problem-fridge-full",
                stage=called(run.filled),
                wants=round(stands.litres, 1),
                room=round(max(room - others, 0), 1),
            )
            return [Problem("fridge_full", run.filled.id, run.filled.part, text)]
    return []


def _grams(solved: Solved, part: str) -> float:
    """Dough of a part, or the whole of it on the trunk."""
    own = next((each for each in solved.parts if each.path.name == part), None) if part else None
    return _whole_g(solved) if own is None else own.path.batch.dough_g


def _whole_g(solved: Solved) -> float:
    return solved.parts[0].path.batch.weighed.dough_g


def _asleep(solved: Solved, steps: tuple[Step, ...]) -> list[Problem]:
    """Steps of hands that fall in the baker's sleep, as one problem."""
    hit = []
    for step in steps:
        if step.minutes:
            minutes = solved.clock.asleep_min(step.at, step.at + min(step.minutes, 600) / 60)
            if minutes >= 1:
                hit.append((step, minutes))
    if not hit:
        return []
    total = float(np.sum([minutes for _, minutes in hit]))
    first = hit[0][0]
    text = message(
        "problem-asleep", step=message(f"course-step-{first.step}"), at=solved.clock.at(first.at), more=len(hit) - 1,
        minutes=round(total),
    )  # fmt: skip
    return [Problem("asleep", first.stage, first.part, text, total)]
