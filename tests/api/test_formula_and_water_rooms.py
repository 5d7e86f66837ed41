"""Formulas worked on, summed, compared and priced, and water, over HTTP as the interface asks for them."""

import pytest

COUNTRY, TIN = "/api/formulas/tidewater-country", "lamplighters-tin"
BATCH = {
    "formula_id": TIN,
    "pieces": 3,
    "scaling_weight_g": 870,
    "flour_c": 20,
    "room_c": 21,
    "levain_c": 21,
    "mixing": "hand_kneading",
}


def formula(client, key):
    return client.get(f"/api/formulas/{key}").json


def work(client, key, **more):
    return client.post("/api/formulas/work", json={"formula": formula(client, key)["formula"], **more})


def grams(answer, line):
    return next(total["g"] for total in answer["totals"] if total["line"] == line)


def test_one_side_is_written_and_the_other_follows(client):
    lock = {"kind": "flour", "g": 1000}
    found = work(client, TIN, lock=lock, change={"line": "salt", "g": 21}).json
    assert found["formula"]["salt_percent"] == pytest.approx(2.1)
    assert grams(found, "salt") == pytest.approx(21)
    assert sum(total["g"] for total in found["totals"]) == pytest.approx(found["weighed"]["dough_g"])
    shared = work(client, TIN, change={"line": "water", "share": 0.4}).json
    assert grams(shared, "water") / shared["weighed"]["dough_g"] == pytest.approx(0.4)
    fresh = work(client, TIN, yeast_kind="fresh").json["formula"]
    assert fresh["yeast_percent"] == pytest.approx(0.72 / 0.33)


@pytest.mark.parametrize(
    ("more", "field"),
    [
        ({"lock": {"kind": "bag", "g": 500, "flour_key": "spelt"}}, "lock.flour_key"),
        ({"lock": {"kind": "tin", "tin_ml": 1}}, "lock.tin_ml"),
        ({"change": {"line": "butterflies", "g": 5}}, "line"),
        ({"change": {"line": "salt", "g": -5}}, "salt"),
        ({"change": {"line": "flours.9", "g": 5}}, "line"),
        ({"change": {"line": "water", "share": 3}}, "water"),
    ],
)
def test_a_change_that_cannot_be_names_its_field(client, more, field):
    answer = work(client, TIN, **more)
    assert answer.status_code == 422
    assert answer.json["errors"][0]["field"] == field


def test_a_day_of_several_formulas(client):
    batches = [{"formula_id": "tidewater-country", "pieces": 4}, {"formula_id": TIN}]
    found = client.post("/api/formulas/together", json={"batches": batches, "kept_g": 30}).json
    assert sum(each["g"] for each in found["ingredients"]) == pytest.approx(found["dough_g"])
    assert found["pieces"] == 7
    build = found["levains"][0]["build"]
    assert build["seed_g"] + build["flour_g"] + build["water_g"] >= found["levains"][0]["needed_g"] + 30
    for wrong, field in (({"batches": []}, "batches"), ({"batches": batches, "ratio": 0}, "ratio")):
        assert client.post("/api/formulas/together", json=wrong).json["errors"][0]["field"] == field


def test_any_two_versions_compared_and_one_named(client):
    lines = client.get(f"{COUNTRY}/compare/1/3").json["lines"]
    rye = next(line for line in lines if line["what"] == "Fine rye")
    assert rye["differs"] and not rye["before"] and rye["after"] == "6 %"
    assert client.get(f"{COUNTRY}/compare/1/9").status_code == 422
    named = client.put(f"{COUNTRY}/versions/3/name", json={"name": "the one"}).json["versions"]
    assert [each["name"] for each in named] == ["the one", "wetter, with rye", "first try"]
    assert client.put(f"{COUNTRY}/versions/3/name", json={"name": "x" * 81}).status_code == 422


def test_the_pantry_prices_the_loaf(client):
    pantry = client.get("/api/pantry").json["pantry"]
    before = formula(client, TIN)["cost"]
    prices = [{"name": "flour-strong_white", "price_per_kg": 2.5}]
    assert client.put("/api/pantry", json={"flours": pantry["flours"], "prices": prices}).status_code == 200
    after = formula(client, TIN)["cost"]
    assert after["without"] and not before["without"]
    flour = sum(
        line["g"]
        for stage in formula(client, TIN)["weighed"]["stages"]
        for line in stage["lines"]
        if line["name"] == "Strong white"
    )
    assert after["batch"] == pytest.approx(flour * 2.5 / 1000)
    flours = [{**pantry["flours"][0], "protein_percent": 50}]
    refused = client.put("/api/pantry", json={"flours": flours, "prices": []})
    assert refused.json["errors"][0]["field"] == "flours.0.protein_percent"
    assert client.get("/api/pantry").json["pantry"]["prices"] == prices


def test_water_there_and_back(client):
    asked = {**BATCH, "target_dough_c": 26, "tap_c": 12, "hot_tap_c": 50}
    found = client.post("/api/water", json=asked).json
    water = found["water"]
    assert water["tap_g"] + water["hot_tap_g"] == pytest.approx(found["water_g"])
    poured = {**BATCH, "waters": [{"g": water["tap_g"], "c": 12}, {"g": water["hot_tap_g"], "c": 50}]}
    assert client.post("/api/water/poured", json=poured).json["poured"]["dough_c"] == pytest.approx(26, abs=0.05)
    hotter = client.post("/api/water", json={**asked, "target_dough_c": 44})
    assert hotter.json["errors"][0]["field"] == "target_dough_c"


def test_what_mixing_adds_is_learnt_and_a_retry_adds_nothing(client):
    waters = [{"g": formula(client, TIN)["weighed"]["stages"][-1]["lines"][2]["g"], "c": 30}]
    lazy = client.post("/api/water/poured", json={**BATCH, "waters": waters}).json
    body = {**BATCH, "waters": waters, "dough_c": lazy["poured"]["dough_c"] + 2}
    for key in ("a1", "a1", "a2"):
        answer = client.put(f"/api/mixes/{key}", json=body).json
    kneaded = next(each for each in answer["frictions"] if each["mixing"] == "hand_kneading")
    assert kneaded["mixes"] == 2 and 2.3 < kneaded["k"] < 4
    assert client.put("/api/mixes/a3", json={**body, "dough_c": 3}).json["errors"][0]["field"] == "dough_c"


def test_the_glass_of_yeast(client):
    assert client.get("/api/yeast-test").json["test"] is None
    assert client.put("/api/yeast-test/t1").json["test"]["verdict"] is None
    read = client.put("/api/yeast-test/r1/foam", json={"foam": "none", "minutes": 16}).json
    assert read["test"]["verdict"]["state"] == "dead"
    assert client.put("/api/yeast-test/r2/foam", json={"foam": "lots", "minutes": 9}).status_code == 422


def test_the_glass_is_read_under_the_tests_own_key_too_and_more_than_once(client):
    client.put("/api/yeast-test/t1")
    early = client.put("/api/yeast-test/t1/foam", json={"foam": "few_bubbles", "minutes": 11}).json["test"]
    assert early["verdict"]["state"] == "wait"
    for _ in range(2):
        late = client.put("/api/yeast-test/t1/foam", json={"foam": "thin", "minutes": 20}).json["test"]
        assert late["verdict"]["state"] == "weak"
    assert client.put("/api/yeast-test/t2").json["test"]["verdict"] is None, "another glass was begun"


def test_minutes_and_speed_move_the_water_and_a_measured_mix_teaches_what_the_usual_one_adds(client):
    ask = {**BATCH, "mixing": "spiral_mixer", "target_dough_c": 25, "tap_c": 14}
    usual = client.post("/api/water", json=ask).json
    longer = client.post("/api/water", json={**ask, "mixing_min": 16, "speed": "fast"}).json
    assert longer["water"]["water_c"] < usual["water"]["water_c"] - 5 and usual["mixing_min"] == 8
    assert longer["mixed_k"] > usual["mixed_k"] + 3
    assert [each["pace"] for each in usual["advice"]] == ["slow", "usual", "quick"]
    waters = [{"g": usual["water_g"], "c": 10}]
    lazy = client.post(
        "/api/water/poured", json={**BATCH, "mixing": "spiral_mixer", "mixing_min": 16, "waters": waters}
    )
    body = {**BATCH, "mixing": "spiral_mixer", "mixing_min": 16, "waters": waters}
    found = client.put("/api/mixes/m1", json={**body, "dough_c": lazy.json["poured"]["dough_c"]}).json
    spiral = next(each for each in found["frictions"] if each["mixing"] == "spiral_mixer")
    assert spiral["mixes"] == 1 and spiral["k"] == pytest.approx(spiral["usual_k"], abs=0.3)
    refused = client.post("/api/water", json={**ask, "mixing_min": 500})
    assert refused.status_code == 422 and refused.json["errors"][0]["field"] == "mixing_min"
