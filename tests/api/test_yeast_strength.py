"""What a glass of yeast showed reaches the plans that are made with that yeast, and no others."""

from datetime import datetime, timedelta

import pytest

from gentle_crust.core.formula.yeast_test import verdict
from tests.courses import courses

TIN, COUNTRY = "lamplighters-tin", "tidewater-country"


def test_what_the_foam_tells_is_a_strength_beside_fresh_stock():
    found = {foam: verdict(foam, 25).strength for foam in ("none", "few_bubbles", "thin", "thick")}
    assert found["none"] == 0 < found["few_bubbles"] < found["thin"] < found["thick"] == 1


@pytest.fixture
def glass(day):
    """Reads a glass of yeast after 25 minutes."""

    def read(foam, key="r"):
        day.client.put(f"/api/yeast-test/{key}-begun")
        assert day.client.put(f"/api/yeast-test/{key}/foam", json={"foam": foam, "minutes": 25}).status_code == 200

    return read


def planned(day, formula=TIN, **more):
    answer = day.client.post("/api/plan", json={"formula_id": formula, "style": "room_steady", **more})
    assert answer.status_code == 200, answer.json
    return answer.json


def hours(found):
    times = found["plan"]["times"]
    return (datetime.fromisoformat(times["load"]) - datetime.fromisoformat(times["mix"])) / timedelta(hours=1)


def says(found):
    return " ".join(found["plan"]["notes"])


def test_weak_yeast_makes_a_yeasted_dough_take_longer_and_the_plan_says_why(day, glass):
    fresh = planned(day)
    glass("thin")
    weak = planned(day)
    assert hours(weak) > hours(fresh) + 0.4
    assert "67 %" in says(weak) and "yeast" not in says(fresh)
    yeast = [
        [line["g"] for stage in found["plan"]["weigh"] for line in stage["lines"] if line["role"] == "yeast"]
        for found in (fresh, weak)
    ]
    assert yeast[0] == yeast[1] != [], "as much is weighed as the formula says"
    glass("few_bubbles", "r2")
    assert hours(planned(day)) > hours(weak)


def test_a_levain_dough_does_not_mind(day, glass):
    before = planned(day, COUNTRY)
    glass("few_bubbles")
    after = planned(day, COUNTRY)
    assert hours(after) == hours(before) and "yeast" not in says(after)


def test_for_dead_yeast_a_new_pack_is_counted_on(day, glass):
    fresh = planned(day)
    glass("none")
    dead = planned(day)
    assert hours(dead) == hours(fresh) and "new pack" in says(dead)


def test_a_new_pack_ends_what_the_old_one_taught(day, glass):
    fresh = planned(day)
    glass("thin")
    assert day.client.put("/api/yeast-test/pack/new-pack").json["test"] is None
    assert hours(planned(day)) == hours(fresh)
    glass("thick", "r2")
    assert day.client.get("/api/yeast-test").json["test"]["verdict"]["state"] == "lively"


def test_a_test_speaks_for_its_pack_for_a_season(day, glass):
    glass("thin")
    day.now += timedelta(days=89)
    assert "67 %" in says(planned(day))
    day.now += timedelta(days=2)
    assert "67 %" not in says(planned(day))


def test_a_kept_plan_stands_as_it_was_and_asked_anew_knows_the_new_pack(day, glass):
    glass("thin")
    put = day.client.put(
        "/api/plans/tin", json={"formula_id": TIN, "style": "room_steady", "ready": "2026-11-29T18:00"}
    )
    assert put.status_code == 200, put.json
    day.client.put("/api/yeast-test/pack/new-pack")
    kept = day.client.get("/api/plans/tin").json
    assert "67 %" in says(kept) and kept["asked"]["yeast_strength"] == pytest.approx(2 / 3)
    anew = day.client.post("/api/plan", json=kept["asked"]).json
    assert "67 %" not in says(anew) and hours(anew) < hours(kept)


def test_a_poolish_of_weak_yeast_is_begun_sooner(day):
    length = {}
    for strength in (1.0, 0.5):
        asked = courses()["8 slippers"]
        asked["kitchen"] = {**asked.get("kitchen", {}), "yeast_strength": strength}
        found = day.client.post("/api/courses", json=asked).json
        length[strength] = next(each["minutes"] for each in found["stages"] if each["kind"] == "preferment")
    assert length[0.5] > length[1.0] + 60


def test_a_strength_that_no_yeast_has_is_refused_by_its_name(day):
    asked = courses()["8 slippers"]
    asked["kitchen"] = {**asked.get("kitchen", {}), "yeast_strength": 3}
    refused = day.client.post("/api/courses", json=asked)
    assert refused.status_code == 422 and refused.json["errors"][0]["field"] == "kitchen.yeast_strength"
