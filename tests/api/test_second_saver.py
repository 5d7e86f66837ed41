"""Two devices change one thing: who comes second is shown both, and nothing is overwritten in silence; undo."""

import io

import pytest
from PIL import Image

from gentle_crust.contract.conflict import changes
from gentle_crust.demo import TOMORROW_PLAN
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.states import KEPT
from gentle_crust.kitchen.work import Work
from tests.api.conftest import PLAN
from tests.conftest import SATURDAY

KEY = "5d0a0f5e-0000-4000-8000-0000000000aa"


def opened(client, path):
    found = client.get(path)
    return found.json, found.headers.get("ETag")


def by_path(found):
    assert found.status_code == 409 and found.mimetype == "application/problem+json"
    return {each["path"]: each for each in found.json["fields"]}


def test_the_second_to_save_the_kitchen_is_shown_both_field_by_field(client):
    body, etag = opened(client, "/api/kitchen")
    kitchen = body["settings"]
    theirs = kitchen | {"room_day_c": 20, "name": "Theirs", "oven": kitchen["oven"] | {"top_c": 280}}
    assert client.put("/api/kitchen", json=theirs, headers={"If-Match": etag}).status_code == 200
    mine = kitchen | {"room_day_c": 26, "fridge_c": 3, "oven": kitchen["oven"] | {"offset_k": 5}}
    refused = client.put("/api/kitchen", json=mine, headers={"If-Match": etag})
    fields = by_path(refused)
    assert set(fields) == {"room_day_c", "name", "fridge_c", "oven.top_c", "oven.offset_k"}
    room = fields["room_day_c"]
    assert (room["mine"], room["theirs"], room["clash"], room["words"]) == (26, 20, True, "The kitchen by day")
    assert not fields["name"]["clash"] and not fields["fridge_c"]["clash"]
    assert client.get("/api/kitchen").json["settings"]["room_day_c"] == 20, "nothing is overwritten"
    chosen = theirs | {"room_day_c": 26, "fridge_c": 3, "oven": theirs["oven"] | {"offset_k": 5}}
    again = client.put("/api/kitchen", json=chosen, headers={"If-Match": refused.json["etag"]})
    assert again.status_code == 200 and again.json["settings"]["name"] == "Theirs"
    assert again.json["settings"]["oven"]["top_c"] == 280 and again.json["settings"]["oven"]["offset_k"] == 5


def test_lists_can_be_had_both_ways_at_once(client):
    body, etag = opened(client, "/api/kitchen")
    kitchen = body["settings"]
    tray, stone = kitchen["vessels"][0], kitchen["vessels"][1]
    new = {**tray, "id": "mine", "name": "My tin", "kind": "tin"}
    other = {**tray, "id": "theirs", "name": "Their tin", "kind": "tin"}
    theirs = [tray | {"name": "Renamed"}, *kitchen["vessels"][2:], other]
    client.put("/api/kitchen", json=kitchen | {"vessels": theirs}, headers={"If-Match": etag})
    mine = [tray, stone, *kitchen["vessels"][2:], new]
    field = by_path(client.put("/api/kitchen", json=kitchen | {"vessels": mine}, headers={"If-Match": etag}))["vessels"]
    both = {each["id"]: each["name"] for each in field["both"]}
    assert both["mine"] == "My tin" and both["theirs"] == "Their tin" and both[tray["id"]] == "Renamed"
    assert stone["id"] not in both, "what the others took away stays away"


@pytest.mark.parametrize(
    ("before", "mine", "theirs", "both"),
    [
        ([], ["a"], ["b"], ["b", "a"]),
        (["a", "b"], ["a"], ["a", "b", "c"], ["a", "c"]),
        (["a", "b"], ["a", "b"], [], []),
        (None, ["a"], ["b"], ["b", "a"]),
        ([{"id": 1, "g": 1}], [{"id": 1, "g": 2}], [{"id": 1, "g": 1}, {"id": 2}], [{"id": 1, "g": 2}, {"id": 2}]),
    ],
)
def test_both_of_two_lists(before, mine, theirs, both):
    base = None if before is None else {"x": before}
    (field,) = changes(base, {"x": mine}, {"x": theirs})
    assert field.both == both


def test_what_is_the_same_is_no_conflict_and_what_is_not_known_is_not_asked(client):
    body, etag = opened(client, "/api/kitchen")
    changed = body["settings"] | {"room_day_c": 21}
    assert client.put("/api/kitchen", json=changed, headers={"If-Match": etag}).status_code == 200
    assert client.put("/api/kitchen", json=changed, headers={"If-Match": etag}).status_code == 200
    assert client.put("/api/kitchen", json=body["settings"]).status_code == 200
    odd = client.put("/api/kitchen", json=changed, headers={"If-Match": '"mine"'})
    assert odd.status_code == 422 and odd.json["errors"][0]["field"] == "If-Match"
    assert client.put("/api/kitchen", json=changed, headers={"If-Match": "*"}).status_code == 200


def test_the_pantry_is_guarded_and_undone_too(client):
    body, etag = opened(client, "/api/pantry")
    pantry = body["pantry"]
    more = {"name": "Sea salt", "price_per_kg": 2.5}
    first = client.put("/api/pantry", json=pantry | {"prices": [*pantry["prices"], more]}, headers={"If-Match": etag})
    assert first.status_code == 200 and first.json["can_undo"]
    other = {"name": "Honey", "price_per_kg": 9}
    refused = client.put(
        "/api/pantry", json=pantry | {"prices": [*pantry["prices"], other]}, headers={"If-Match": etag}
    )
    names = [each["name"] for each in by_path(refused)["prices"]["both"]]
    assert {"Sea salt", "Honey"} <= set(names)
    assert client.post("/api/pantry/undo").json["pantry"]["prices"] == pantry["prices"]
    assert client.post("/api/pantry/undo").json["pantry"]["prices"] == [*pantry["prices"], more], "undo is undone"


def test_a_formula_that_was_changed_meanwhile(client):
    formula = client.get("/api/formulas/night-ferry-rye").json
    version, body = formula["version"], formula["formula"]
    path = "/api/formulas/night-ferry-rye"
    saved = client.put(path, json=body | {"hydration_percent": 82}, headers={"If-Match": f'"{version}"'})
    assert saved.json["version"] == version + 1
    refused = client.put(path, json=body | {"salt_percent": 1.8}, headers={"If-Match": f'"{version}"'})
    fields = by_path(refused)
    assert fields["hydration_percent"]["theirs"] == 82 and not fields["hydration_percent"]["clash"]
    assert fields["salt_percent"]["mine"] == 1.8
    both = body | {"hydration_percent": 82, "salt_percent": 1.8}
    assert client.put(path, json=both, headers={"If-Match": refused.json["etag"]}).json["version"] == version + 2
    versions = client.get(f"{path}/versions").json["versions"]
    assert versions[0]["formula"]["salt_percent"] == 1.8 and versions[1]["formula"]["hydration_percent"] == 82


def test_a_plan_that_was_saved_over_is_shown_and_can_be_had_back(client):
    path = f"/api/plans/{KEY}"
    asked = {"formula_id": "tidewater-country", "pieces": 2}
    first = client.put(path, json=asked).json
    assert not first["can_undo"]
    theirs = client.put(path, json=first["asked"] | {"pieces": 4}, headers={"If-Match": f'"{first["etag"]}"'}).json
    assert theirs["can_undo"]
    mine = first["asked"] | {"pieces": 5, "dough_c": 24}
    refused = client.put(path, json=mine, headers={"If-Match": f'"{first["etag"]}"'})
    fields = by_path(refused)
    assert (fields["pieces"]["mine"], fields["pieces"]["theirs"]) == (5, 4) and fields["pieces"]["clash"]
    assert not fields["dough_c"]["clash"]
    back = client.post(f"{path}/undo")
    assert back.status_code == 200 and back.json["plan"] == first["plan"] and back.json["asked"] == first["asked"]
    assert client.get(path).json["asked"]["pieces"] == 2
    for pieces in range(3, 12):
        client.put(path, json=first["asked"] | {"pieces": pieces})
    assert client.post(f"{path}/undo").json["asked"]["pieces"] == 10
    assert client.post("/api/plans/nobody/undo").status_code == 404


def test_a_plan_on_the_bench_is_neither_saved_over_nor_undone(day):
    asked = day.client.get(f"/api/plans/{TOMORROW_PLAN}").json["asked"]
    day.client.put(f"/api/plans/{PLAN}", json=asked | {"pieces": 3})
    day.press("bake_started")
    assert day.client.post(f"/api/plans/{PLAN}/undo").status_code == 409
    assert day.client.put(f"/api/plans/{PLAN}", json=asked).status_code == 409
    assert day.client.get(f"/api/plans/{PLAN}").json["can_undo"] is False


def test_so_many_states_are_kept_and_no_more(sessions):
    book = KitchenSettings(Work(sessions, lambda: SATURDAY))
    first = book.get()
    for number in range(KEPT["kitchen"] + 15):
        book.save(first.__class__(**{**vars(first), "name": f"Kitchen {number}"}))
    with sessions() as session:
        rows = session.connection().exec_driver_sql("SELECT number FROM state WHERE kind = 'kitchen'").fetchall()
    assert len(rows) == KEPT["kitchen"] and book.get().name == f"Kitchen {KEPT['kitchen'] + 14}"
    assert book.undo().name == f"Kitchen {KEPT['kitchen'] + 13}"


def test_there_is_nothing_to_undo_in_a_kitchen_that_was_saved_once(client):
    assert client.get("/api/kitchen").json["can_undo"] is False
    assert client.post("/api/kitchen/undo").status_code == 404
    fresh = client.post("/api/pantry/undo")
    assert fresh.status_code in (200, 404) and fresh.json


def picture(shade, kind="JPEG"):
    out = io.BytesIO()
    Image.new("RGB", (64, 48), (shade, 120, 90)).save(out, kind)
    return out.getvalue()


def test_a_cultures_pictures_stand_in_the_order_they_were_taken_and_one_that_was_taken_away_comes_back(client):
    path = "/api/cultures/gull/pictures"
    assert client.get(f"{path}/now").status_code == client.post(f"{path}/now/restore").status_code == 404
    client.put(f"{path}/now", data=picture(20))
    older = client.put(f"{path}/older?at=2026-11-26T18:00", data=picture(200, "PNG")).json["culture"]
    assert [each["id"] for each in older["pictures"]] == ["older", "now"]
    again = client.put(f"{path}/older?at=2026-11-20T18:00", data=picture(90)).json["culture"]
    assert again["pictures"] == older["pictures"], "a second try adds nothing"
    first = client.get(f"{path}/older")
    assert first.mimetype == "image/jpeg"
    gone = client.delete(f"{path}/older").json["culture"]
    assert [each["id"] for each in gone["pictures"]] == ["now"] and gone["pictures_gone"][0]["id"] == "older"
    assert client.get(f"{path}/older").status_code == 404
    assert client.get("/api/cultures/brack/pictures/now").status_code == 404, "it is another culture's"
    assert [each["id"] for each in client.post(f"{path}/older/restore").json["culture"]["pictures"]] == ["older", "now"]
    assert client.get(f"{path}/older").data == first.data
    ahead = client.put(f"{path}/later?at=2027-01-01T10:00", data=picture(50)).json["culture"]["pictures"]
    taken = {each["id"]: each["taken"] for each in ahead}
    assert taken["later"] == taken["now"], "a camera's clock that is ahead is not believed"
    refused = client.put(f"{path}/other?at=noon", data=picture(50))
    assert refused.status_code == 422 and refused.json["errors"][0]["field"] == "at"


def test_a_culture_keeps_so_many_pictures_and_says_so(client):
    path = "/api/cultures/gull/pictures"
    for number in range(60):
        assert client.put(f"{path}/p{number}", data=picture(number)).status_code == 200
    refused = client.put(f"{path}/p60", data=picture(60))
    assert refused.status_code == 422 and "60 pictures" in refused.json["errors"][0]["sentence"]
    client.delete(f"{path}/p0")
    assert client.put(f"{path}/p60", data=picture(60)).status_code == 200
