"""The Oven room of a kitchen that bakes with wood: as it was measured, ranked, and over an afternoon."""

import pytest

COUNTRY = "tidewater-country"


@pytest.fixture
def wood(day):
    body = day.client.get("/api/kitchen").json["settings"]
    floor = {"id": "floor", "kind": "oven_floor", "name": "Oven floor", "count": 1}
    oven = {**body["oven"], "kind": "wood", "volume_l": 150, "top_c": 450}
    put = day.client.put("/api/kitchen", json={**body, "oven": oven, "vessels": [*body["vessels"], floor]})
    assert put.status_code == 200, put.json
    return day


def loaf(**more):
    return {"formula_id": COUNTRY, "pieces": 2, "piece_g": 850, "cold": False, **more}


def minutes(day, floor, dome):
    fired = {"floor_c": floor, "dome_c": dome, "soaked_min": 40}
    answer = day.client.post("/api/oven/bake", json={"loaf": loaf(fired=fired), "vessel_id": "floor"})
    assert answer.status_code == 200, answer.json
    return answer.json["curve"][-1]["min"], answer.json["end"]["colour"]


def test_a_hotter_oven_bakes_sooner_or_darker(wood):
    (cool_min, cool), (hot_min, hot) = minutes(wood, 230, 250), minutes(wood, 300, 330)
    assert hot_min < cool_min or hot > cool


def test_the_floor_is_near_the_top_of_its_owners_ways(wood):
    answer = wood.client.post("/api/oven/rank", json=loaf(fired={"floor_c": 280, "dome_c": 310}))
    assert answer.status_code == 200, answer.json
    fit = [way["vessel_id"] for way in answer.json["ways"] if not way["unfit"]]
    assert "floor" in fit[:3]


def test_every_formula_has_its_turn_in_the_afternoon(wood):
    found = wood.client.post("/api/oven/falling", json={"floor_c": 330, "dome_c": 360, "soaked_min": 20}).json
    assert found["flour"] and len(found["stands"]) > 4
    assert {each["id"] for each in found["turns"]} == {
        each["id"] for each in wood.client.get("/api/formulas").json["formulas"]
    }
    likes = [each["floor_c"] for each in found["turns"] if each["from_min"] is not None]
    assert likes == sorted(likes, reverse=True) and len(likes) > 3


@pytest.mark.parametrize(
    ("body", "field"),
    [({"floor_c": 20, "dome_c": 300}, "fired.floor_c"), ({"floor_c": 300, "dome_c": 700}, "fired.dome_c"),
     ({"floor_c": 300, "dome_c": 300, "soaked_min": -1}, "fired.soaked_min")],
)  # fmt: skip
def test_heat_that_no_oven_has_is_refused_by_its_name(wood, body, field):
    for path, sent in (("falling", body), ("rank", loaf(fired=body))):
        refused = wood.client.post(f"/api/oven/{path}", json=sent)
        assert refused.status_code == 422 and refused.json["errors"][0]["field"] == field


def test_an_oven_that_burns_no_wood_is_not_fired(day):
    plain, fired = (
        day.client.post("/api/oven/bake", json={"loaf": loaf(**more), "vessel_id": "pot"}).json["curve"]
        for more in ({}, {"fired": {"floor_c": 300, "dome_c": 330}})
    )
    assert plain == fired
