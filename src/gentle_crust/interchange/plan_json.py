"""A plan as JSON: the question, and the course by the clock."""

import json
from dataclasses import replace
from datetime import datetime, timedelta
from typing import Any
from zoneinfo import ZoneInfo

from gentle_crust.contract.course import PlanQuestion
from gentle_crust.core.course.baking import FilledBake
from gentle_crust.core.course.fill import Filled
from gentle_crust.core.course.mends import Mend, mends
from gentle_crust.core.course.plan import CoursePlan, plan, suiting
from gentle_crust.core.course.problems import CODES as PROBLEM_CODES
from gentle_crust.core.course.problems import Problem
from gentle_crust.core.course.ripen import Beside
from gentle_crust.core.course.steps import CODES as STEP_CODES
from gentle_crust.core.course.steps import Step
from gentle_crust.core.course.styles import styles
from gentle_crust.core.course.walk import Run
from gentle_crust.core.course.written import as_written
from gentle_crust.core.fermentation.targets import share_of_greatest
from gentle_crust.core.fermentation.uncertainty import band
from gentle_crust.core.formula.scaling import weigh
from gentle_crust.core.messages import Message, message
from gentle_crust.text.render import PLAIN, say, shown

Record = dict[str, Any]
ENDS = {
    "core": "core_c", "crust": "crust_c", "colour": "colour", "base_colour": "base_colour", "loss": "loss_fraction",
    "crust_mm": "crust_mm",
}  # fmt: skip
FEED_WHY = message("course-why-feed")


def answer(text: str) -> Record:
    """The plan asked for in JSON. CraftError for what cannot be reckoned."""
    asked, choose = PlanQuestion.model_validate_json(text).asked()
    return told(suiting(asked) if choose else plan(asked))


def told(made: CoursePlan) -> Record:
    """A plan as it is answered: times with their offset in the kitchen's zone."""
    solved, asked = made.solved, made.asked
    times = _Times(solved.clock.origin, asked.kitchen.zone)
    stages = [_beside(each, times) for each in solved.beside] + [_stage(run, times) for run in solved.runs]
    stages.sort(key=lambda each: each["at"])
    found = mends(made)
    return {
        "begins": times.at(min(step.at for step in made.steps)),
        "stages": stages,
        "steps": [_step(step, times) for step in made.steps],
        "out": {part.path.name: times.at(part.out) for part in solved.parts},
        "problems": [_problem(each, mend, times) for each, mend in zip(made.problems, found, strict=True)],
        "weigh": [shown(each) for each in weigh(asked.formula, asked.pieces, asked.scaling_weight_g).stages],
        "bake": {part.path.name: None if part.bake is None else bake_told(part.bake) for part in solved.parts},
    }


class _Times:
    """Hours from an origin as local times with their offset, to the second; and sentences that tell such times."""

    def __init__(self, origin: datetime, zone: str) -> None:
        self.origin, self.zone = origin, ZoneInfo(zone)
        self.reading = replace(PLAIN, zone=zone)

    def said(self, what: Message) -> str:
        return str(say(what, self.reading))

    def at(self, hours: float) -> str:
        when = self.origin + timedelta(seconds=round(3600 * hours))
        return when.astimezone(self.zone).replace(microsecond=0).isoformat()


def _stage(run: Run, times: _Times) -> Record:
    each = run.filled
    low = likely = high = None
    rise: Record | None = None
    share: Record | None = None
    if run.trace is not None:
        last = run.trace.rise[-1:]
        low, high = (float(end[0]) for end in band(last))
        likely = float(last[0, last.shape[1] // 2])
        rise = {"low": round(low, 3), "likely": round(likely, 3), "high": round(high, 3)}
        share = {
            name: round(float(share_of_greatest(value, run.holds)), 3)  # type: ignore[arg-type]
            for name, value in (("low", low), ("likely", likely), ("high", high))
        }
    warmth = None
    if run.trace is not None:
        warmth = {"from": round(float(run.trace.dough_c[0]), 1), "to": round(float(run.trace.dough_c[-1]), 1)}
    return {
        **_named(each, run.start, run.end, times),
        "dough_c": warmth,
        "rise": rise,
        "share": share,
        "filled": _why(each),
    }


def _named(each: Filled, start: float, end: float, times: _Times) -> Record:
    ferments = each.kind not in ("bake", "cool")
    return {
        "part": each.part,
        "number": each.number,
        "kind": each.kind,
        "id": each.id,
        "place": each.place.name if ferments else None,
        "at": times.at(start),
        "ends": times.at(end),
        "minutes": round(60 * (end - start), 1),
    }


def _why(each: Filled) -> dict[str, str]:
    return {key: str(say(why)) for key, why in each.why}


def _beside(each: Beside, times: _Times) -> Record:
    """A feed, levain, preferment or soaker; its rise is its jar's as it is wanted."""
    rise = warmth = None
    if each.ripening is not None:
        trace = each.ripening.trace
        hours = each.wanted - each.start
        row = min(int(len(trace.hours) * hours / float(trace.hours[-1])), len(trace.hours) - 1)
        last = trace.rise[row : row + 1]
        low, high = (float(end[0]) for end in band(last))
        rise = {"low": round(low, 3), "likely": round(float(last[0, last.shape[1] // 2]), 3), "high": round(high, 3)}
        warmth = {"from": round(float(trace.dough_c[0]), 1), "to": round(float(trace.dough_c[row]), 1)}
    if each.filled is None:
        named: Record = {
            "part": "", "number": 0, "kind": each.kind, "id": each.kind, "place": "room",
            "at": times.at(each.start), "ends": times.at(each.wanted), 
            "minutes": round(60 * (each.wanted - each.start), 1),
        }  # fmt: skip
        filled = {"feed": str(say(FEED_WHY))}
    else:
        named, filled = _named(each.filled, each.start, each.wanted, times), _why(each.filled)
    return {**named, "dough_c": warmth, "rise": rise, "share": None, "filled": filled}


def _step(step: Step, times: _Times) -> Record:
    amount = {"what": step.what, "g": step.g} if step.step in ("steam_in", "steam_out") else None
    return {
        "part": step.part,
        "stage": step.stage,
        "step": step.step,
        "number": step.number,
        "of": step.of,
        "at": times.at(step.at),
        "minutes": round(step.minutes, 1),
        "cautions": list(step.cautions),
        "amount": amount,
        "text": times.said(step.text),
    }


def _problem(problem: Problem, mend: Mend | None, times: _Times) -> Record:
    return {
        "code": problem.code,
        "stage": problem.stage,
        "part": problem.part,
        "text": times.said(problem.text),
        "mend": None if mend is None else {"text": times.said(mend.text), "change": mend.change},
    }


def bake_told(bake: FilledBake) -> Record:
    """A bake in the form of the question and the answer of `gentle-crust bake`."""
    vessel = bake.vessel
    return {
        "vessel": {
            "kind": vessel.kind, "preheated": bake.preheated, "base_kg": vessel.base_kg, "lid_kg": vessel.lid_kg,
            "inside_l": vessel.inside_l,
        },
        "preheat": {
            "setpoint_c": bake.preheat.setpoint_c, "minutes": bake.preheat.minutes, "fan": bake.preheat.fan,
        },
        "steam": [{"kind": each.kind, "g": each.g, "at_min": each.at_min} for each in bake.steam],
        "stages": [shown(each) for each in bake.stages],
        "done_min": bake.done_min,
        "end": {ENDS[line]: round(value, 4 if line == "loss" else 1) for line, value in bake.end},
    }  # fmt: skip


def styles_told() -> list[Record]:
    """All styles with their methods."""
    return [
        {"id": each.id, "name": str(say(each.name)), "fits": list(each.fits), "method": as_written(each.method)}
        for each in styles()
    ]


def list_styles() -> int:
    """Print the styles."""
    print(json.dumps(styles_told(), indent=2))
    return 0


def list_codes() -> int:
    """Print the codes that a plan's answer may hold."""
    from gentle_crust.core.cautions import CODES as CAUTION_CODES

    print(
        json.dumps(
            {"problems": list(PROBLEM_CODES), "cautions": list(CAUTION_CODES), "steps": list(STEP_CODES)}, indent=2
        )
    )
    return 0
