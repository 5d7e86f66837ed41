"""Reading dough over the API: the truth is told only once it was judged; answers are kept once, and teach by wish."""

import pytest

FORMULA = "tidewater-country"


def dough(day, seed=1, stage="bulk", formula=FORMULA):
    return day.client.get("/api/drill", query_string={"formula": formula, "stage": stage, "seed": seed})


def read(day, event="one", seed=1, stage="bulk", state="ready", sure="fairly", rise=None, formula=FORMULA):
    body = {"event": event, "formula": formula, "stage": stage, "seed": seed, "state": state, "sure": sure}
    return day.client.post("/api/drill", json={**body, "rise_percent": rise})


def lessons(day):
    return {each["key"]: each for each in day.client.get("/api/learning").json["lessons"]}


def in_bowl(day, count):
    """Lots whose dough stands in a flared bowl."""
    found = [seed for seed in range(60) if dough(day, seed).json["container"] == "bowl"]
    return found[:count]


def test_a_dough_is_shown_without_its_truth(day):
    shown = dough(day).json
    assert set(shown) == {"container", "drawn", "signs", "score"}
    assert {each["cue"] for each in shown["signs"]} >= {"poke", "jiggle", "bubbles", "edge"}
    assert len(shown["drawn"]["dough"]) > 10 and shown["score"]["doughs"] == 0
    assert dough(day).json == shown, "it stands still until it is judged"


def test_once_judged_it_is_told_how_it_was(day):
    told = read(day, rise=60).json
    assert told["state"] in ("early", "nearly", "ready", "late", "over") and told["becomes"].endswith(".")
    assert told["ready_percent"][0] < told["ready_percent"][1] and told["score"]["doughs"] == 1
    assert told["score"]["right"] == (told["state"] == "ready") and told["score"]["bits"] == told["bits"]
    again = read(day, rise=60).json
    assert again["score"]["doughs"] == 1, "the same answer sent again counts once"


def test_scores_are_those_of_the_latest_doughs(day):
    told = [read(day, f"e{seed}", seed).json for seed in range(8)]
    right = sum(each["state"] == "ready" for each in told)
    near = sum(each["state"] in ("nearly", "late") for each in told)
    score = dough(day).json["score"]
    assert (score["doughs"], score["right"], score["near"]) == (8, right, near)
    assert score["bits"] == pytest.approx(sum(each["bits"] for each in told) / 8, abs=0.02)


def test_under_ready_and_over_stand_side_by_side(day):
    for stage in ("bulk", "final_proof"):
        sides = day.client.get("/api/drill/sides", query_string={"formula": FORMULA, "stage": stage}).json["sides"]
        assert [each["state"] for each in sides] == ["early", "ready", "over"]
        rises = [each["rise_percent"] for each in sides]
        assert rises == sorted(rises) and len({each["becomes"] for each in sides}) == 3
        edges = [{sign["cue"]: sign["value"] for sign in each["signs"]}["edge"] for each in sides]
        assert len(set(edges)) >= 2


def test_an_eye_that_reads_high_is_learnt_and_minded_only_if_wished(day):
    for number, seed in enumerate(in_bowl(day, 8)):
        truth = read(day, f"look-{number}", seed).json["rise_percent"]
        assert read(day, f"e{number}", seed, rise=truth + 10).status_code == 200
    eye = lessons(day)["eye"]
    assert eye["aside"] and eye["by_wish"] and "points too high" in eye["says"] and eye["tells"] == 8
    assert all(each["drill"] for each in eye["bakes"])
    assert dough(day).json["score"]["eye_percent"] == 10

    def end_of_bulk():
        return next(step["at"] for step in day.dough()["steps"] if step["key"] == "divide-1")

    day.mixed().at(17, 0)
    day.press("reading", {"measure": "percent", "value": 35})
    as_read = end_of_bulk()
    day.client.post("/api/learning/aside", json={"event": "wish", "lesson": "eye", "aside": False})
    assert end_of_bulk() > as_read, "what an eye reads too high is taken for less"


def test_a_finger_that_calls_early_is_offered_too(day):
    for number in range(6):
        truth = read(day, f"t{number}", number, "final_proof").json["state"]
        riper = {"early": "nearly", "nearly": "ready", "ready": "late", "late": "over", "over": "over"}[truth]
        read(day, f"f{number}", number, "final_proof", riper, "sure")
    finger = lessons(day)["finger"]
    assert "too early" in finger["says"] and finger["aside"]
    key = finger["bakes"][0]["id"]
    day.client.post("/api/learning/aside", json={"event": "one-off", "lesson": "finger", "bake": key})
    assert lessons(day)["finger"]["tells"] == finger["tells"] - 1


@pytest.mark.parametrize(
    ("asked", "status"),
    [
        ({"formula": "nobodys"}, 422), ({"stage": "baked"}, 422), ({"seed": -1}, 422), ({"seed": "x"}, 422),
    ],
)  # fmt: skip
def test_what_there_is_not_is_said(day, asked, status):
    answer = dough(day, **asked)
    assert answer.status_code == status and answer.json["errors"][0]["sentence"]


@pytest.mark.parametrize(
    ("wrong", "field"), [({"state": "perfect"}, "state"), ({"sure": "very"}, "sure"), ({"rise": 900}, "rise")]
)
def test_a_reading_that_cannot_be_is_refused_and_not_kept(day, wrong, field):
    answer = read(day, **wrong)
    assert answer.status_code in (400, 422) and answer.json["errors"][0]["field"].startswith(field)
    assert dough(day).json["score"]["doughs"] == 0
