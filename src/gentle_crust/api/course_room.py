"""Courses: a formula and a method by the clock, and the styles that there are."""

from dataclasses import replace

from flask import Response

from gentle_crust.api.common import answer, room, work
from gentle_crust.contract.course import PlanQuestion
from gentle_crust.contract.course_plan import CourseAnswer, StylesAnswer
from gentle_crust.kitchen.taken import taken_of

courses = room("courses")


@courses.get("/styles", responses={200: StylesAnswer})
def list_styles() -> Response:
    """Ways to make bread, with their methods."""
    from gentle_crust.contract.course_told import style_told  # what plans is loaded when it is wanted
    from gentle_crust.core.course.styles import styles

    return answer(StylesAnswer(styles=[style_told(each) for each in styles()]))


@courses.post("/courses", responses={200: CourseAnswer})
def plan_course(body: PlanQuestion) -> Response:
    """Plan a formula and a method, or a style, in the kitchen that is given, around saved plans and doughs under way.

    Nothing is kept.
    """
    from gentle_crust.contract.course_told import told
    from gentle_crust.core.course.plan import plan, suiting

    asked, choose = body.asked()
    asked = replace(asked, taken=taken_of(work()))
    return answer(told(suiting(asked) if choose else plan(asked)))
