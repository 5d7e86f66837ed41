"""What a bake comes to in figures, and a dough's way drawn for each of its parts: from made-up plans and presses."""

from datetime import UTC, datetime, timedelta

import pytest

from gentle_crust.contract import events as bodies
from gentle_crust.kitchen.drawn import drawing, loaf_line
from gentle_crust.kitchen.figures import figures_of, minutes_of
from gentle_crust.kitchen.story import story_of

MIX = datetime(2026, 11, 20, 10, 0, tzinfo=UTC)
MIN = timedelta(minutes=1)


def at(minutes):
    return MIX + minutes * MIN


def points(kind, span, rises, warm=24.0):
    """A stretch of dough from one minute to another, its rise evenly along the way."""
    first, last = span
    step = (last - first) / (len(rises) - 1)
    return {
        "kind": kind,
        "points": [
            {"at": at(first + n * step).isoformat(), "rise": rise, "rise_low": rise * 0.7, "rise_high": rise * 1.3,
             "dough_c": warm}
            for n, rise in enumerate(rises)
        ],
    }  # fmt: skip


STEPS = (("mix", 0, 15), ("divide", 255, 5), ("shape", 285, 10), ("load", 400, 5), ("out", 450, 2))


def shown(**more):
    """A plan: 15 min of mixing, four hours of bulk, loaded after 400 min, out after 452."""
    steps = [{"kind": kind, "key": f"{kind}-1", "at": at(begun).isoformat(), "minutes": minutes}
             for kind, begun, minutes in STEPS]  # fmt: skip
    ribbon = {"parts": [points("bulk", (0, 255), [0, 0.1, 0.3, 0.6]), points("proof", (255, 400), [0.3, 0.5])]}
    return {"steps": steps, "ribbon": ribbon, "proof": {"share": 0.78}, "outs": [], **more}


def story(*told, done=("mix", "divide", "shape", "load", "out"), late=0):
    """Everything pressed at its end, so many minutes late, and what else was told."""
    found = [("start", bodies.STARTED, at(-30), {})]
    for kind, begun, minutes in STEPS:
        if kind in done:
            found.append((kind, bodies.STEP, at(begun + minutes + late), {"key": f"{kind}-1", "skipped": False}))
    found += [(f"t{n}", kind, when, body) for n, (kind, when, body) in enumerate(told)]
    return story_of(sorted(found, key=lambda each: each[2]))


def read(minutes, rise, kind="rise_eye"):
    return (bodies.READ, at(minutes), {"kind": kind, "value": rise, "sure": False})


def test_minutes_are_those_between_the_end_of_one_work_and_the_beginning_of_the_next():
    found = figures_of(shown(), story())
    assert (found.bulk_min, found.proof_min, found.baked_min) == (240, 110, 47)


def test_what_was_left_out_or_never_pressed_is_not_known():
    found = figures_of(shown(), story(done=("mix", "load")))
    assert (found.bulk_min, found.proof_min, found.baked_min) == (385, None, None), "bulk went on until it was loaded"
    assert figures_of(shown(), story(done=())).bulk_min is None


@pytest.mark.parametrize(
    ("minutes", "rise", "late", "inside"),
    [
        (170, 0.3, 0, 1),  # as forecast
        (200, 0.3, 30, 1),  # half an hour behind, inside the band
        (255, 0.3, 85, 0),  # far behind
        (85, 0.3, -85, 0),  # far ahead
        (255, 0.6, 0, 1),
    ],
)
def test_a_reading_is_held_against_the_forecast_of_its_minute(minutes, rise, late, inside):
    found = figures_of(shown(), story(read(minutes, rise)))
    assert (found.read, found.inside) == (1, inside)
    assert found.late_min == pytest.approx(late, abs=3)


def test_a_dough_that_was_mixed_late_is_held_against_its_own_clock():
    found = figures_of(shown(), story(read(170 + 60, 0.3), late=60))
    assert abs(found.late_min) <= 3 and found.inside == 1


def test_readings_that_tell_nothing_of_the_forecast_are_not_counted():
    told = (read(100, 24.0, "dough_c"), read(-20, 0.2), read(170, 0.0), read(500, 0.6), read(200, 0.9))
    found = figures_of(shown(), story(*told))
    assert found.read == 0 and found.late_min is None and found.dough_c == 24.0


def test_the_middle_reading_tells_how_late_it_was_and_one_wild_one_does_not():
    found = figures_of(shown(), story(read(95, 0.1), read(180, 0.3), read(85, 0.6)))
    assert found.read == 3 and found.late_min == pytest.approx(10, abs=3)


def test_the_share_is_that_of_the_last_judgement_else_the_plans():
    judged = (bodies.JUDGED, at(390), {"stage": "final_proof", "cues": {}, "verdict": {"verdict": "nearly"},
                                       "asked": {"share": {"likely": 0.66}}})  # fmt: skip
    assert figures_of(shown(), story()).share == 0.78
    found = figures_of(shown(), story(judged, (bodies.OUTCOME, at(600), {"how": "under"})))
    assert (found.share, found.verdict, found.how) == (0.66, "nearly", "under")


@pytest.mark.parametrize(
    "broken",
    [{}, {"steps": None}, {"ribbon": {}}, {"ribbon": {"parts": [{"kind": "bulk", "points": []}]}}, {"proof": None},
     {"ribbon": {"parts": [{"kind": "bulk", "points": [{"at": "never"}]}]}}],
)  # fmt: skip
def test_a_plan_that_cannot_be_read_costs_its_figures_and_no_more(broken):
    plan = broken if broken == {} else shown() | broken
    found = figures_of(plan, story(read(170, 0.3)))
    assert found.rise == 0.3 and found.bulk_min is not None
    assert minutes_of(plan, "sleep") == 0.0


# -- drawn -------------------------------------------------------------------------------------------------------


def test_a_drawing_ends_when_the_first_part_is_out_and_begins_with_its_first_dough():
    found = drawing(shown(), story(late=20), at(472))
    assert found.start == at(20) and found.end == at(472) and found.load == at(425)
    assert [part.kind for part in found.parts] == ["bulk", "proof"]


def test_a_second_part_is_drawn_by_its_own_dough_from_where_it_parts():
    own = [points("keep", (255, 1700), [0.3, 0.35], 5.0), points("proof", (1700, 1840), [0.35, 0.6])]
    plan = shown(outs=[{"name": "A", "ribbon": []}, {"name": "B", "ribbon": own}])
    plan["steps"] += [
        {"kind": "load", "key": "load-101", "at": at(1840).isoformat(), "minutes": 5},
        {"kind": "out", "key": "out-101", "at": at(1890).isoformat(), "minutes": 2},
    ]
    told = [(bodies.STEP, at(1845), {"key": "load-101", "skipped": False}),
            (bodies.STEP, at(1892), {"key": "out-101", "skipped": False})]  # fmt: skip
    first, second = (drawing(plan, story(*told), at(1892), place) for place in (0, 1))
    assert (first.end, second.end) == (at(452), at(1892)) and second.load == at(1845)
    assert [part.kind for part in second.parts] == ["bulk", "keep", "proof"]
    assert drawing(plan, story(*told), at(1892), 2) is None, "there is no third part"


def test_a_loaf_in_a_line_is_that_of_its_part_if_one_is_asked_for():
    told = [(bodies.LOAF, at(600), {"part": "A", "liked": 3}), (bodies.LOAF, at(601), {"part": "B", "liked": 5})]
    found = story(*told)
    assert [loaf_line(found, part).liked for part in ("A", "B", "")] == [3, 5, 5]
    assert loaf_line(found, "C") is None and loaf_line(story()) is None
