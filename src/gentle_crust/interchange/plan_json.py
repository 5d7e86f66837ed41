"""A plan as JSON: the question, and the course by the clock."""

import json
from dataclasses import replace
from typing import Any

from gentle_crust.contract.course import PlanQuestion
from gentle_crust.contract.course_plan import CodesAnswer
from gentle_crust.contract.course_told import style_told, told
from gentle_crust.contract.sentences import as_read
from gentle_crust.core.cautions import CODES as CAUTION_CODES
from gentle_crust.core.course.plan import plan, suiting
from gentle_crust.core.course.problems import CODES as PROBLEM_CODES
from gentle_crust.core.course.steps import CODES as STEP_CODES
from gentle_crust.core.course.styles import styles
from gentle_crust.text.render import PLAIN

CODES = CodesAnswer(problems=list(PROBLEM_CODES), cautions=list(CAUTION_CODES), steps=list(STEP_CODES))


def answer(text: str) -> dict[str, Any]:
    """The plan asked for in JSON. CraftError for what cannot be reckoned."""
    asked, choose = PlanQuestion.model_validate_json(text).asked()
    made = suiting(asked) if choose else plan(asked)
    reading = replace(PLAIN, zone=asked.kitchen.zone)
    return told(made).model_dump(mode="json", context=as_read(lambda: reading))


def styles_told() -> list[dict[str, Any]]:
    """All styles with their methods."""
    return [style_told(each).model_dump(mode="json", context=as_read(lambda: PLAIN)) for each in styles()]


def list_styles() -> int:
    """Print the styles."""
    print(json.dumps(styles_told(), indent=2))
    return 0


def list_codes() -> int:
    """Print the codes that a plan's answer may hold."""
    print(json.dumps(CODES.model_dump(), indent=2))
    return 0
