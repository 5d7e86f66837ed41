"""The Cultures room over HTTP: answers for the demo, refusals that name their field, files and pictures."""

import io
import json

import pytest
from PIL import Image

GULL = "/api/cultures/gull"
TOMORROW = {"needed_g": 180, "kept_g": 30, "at": "2026-11-29T08:30"}
DOSE = {"kind": "poolish", "needed_g": 400, "start": "2026-11-28T20:00", "ripe": "2026-11-29T08:00"}
JAR = {"empty_g": 300, "diameter_mm": 80}


def pixel() -> bytes:
    out = io.BytesIO()
    Image.new("RGB", (8, 6), (200, 150, 90)).save(out, "PNG")
    return out.getvalue()


PIXEL = pixel()


def test_the_room_opens_with_three_cultures_and_what_plans_want(client):
    found = client.get("/api/cultures").json
    assert [each["id"] for each in found["cultures"]] == ["gull", "brack", "pip"]
    assert found["builds"][0]["into"][0]["name"] == "Tidewater country loaf" and found["gone"] == []
    assert client.get("/api/next").json["next"]["kind"] == "plan"


def test_a_wish_for_tomorrow_is_answered_with_ways_ripe_then(client):
    found = client.post(f"{GULL}/feed", json=TOMORROW).json["found"]
    assert len(found["ways"]) >= 3 and found["nights"]
    for way in found["ways"]:
        assert way["ripe"]["likely"] <= found["wanted"] <= way["spent"]["likely"] and not way["asleep"]
        assert sum(way["feeds"][-1]["feed"]["build"][part] for part in ("seed_g", "flour_g", "water_g")) >= 210


def test_a_feed_is_logged_taken_back_and_brought_in(client):
    path = f"{GULL}/events/mine"
    body = {"kind": "fed", "seed_g": 30, "flour_g": 90, "water_g": 90}
    assert client.put(path, json=body).json["culture"]["life"]["grams"] == 210
    assert client.delete(path).json["culture"]["life"]["grams"] == 180
    assert client.post(f"{path}/restore").json["culture"]["life"]["grams"] == 210


@pytest.mark.parametrize(
    ("method", "path", "body", "field"),
    [
        ("put", f"{GULL}/events/e", {"kind": "fed", "seed_g": 30, "flour_g": 0.5, "water_g": 0.5}, "flour_g"),
        ("put", f"{GULL}/events/e", {"kind": "fed", "flour_g": "NaN", "seed_g": 1, "water_g": 1}, "flour_g"),
        ("put", f"{GULL}/events/e", {"kind": "sung"}, "kind"),
        ("put", f"{GULL}/events/e", {"kind": "seen", "mood": "good"}, "mood"),
        ("put", f"{GULL}/events/e", {"kind": "seen", "height_mm": 900}, "height_mm"),
        ("put", f"{GULL}/events/e", {"kind": "weighed", "gross_g": 5}, "gross_g"),
        ("put", f"{GULL}/events/e", {"kind": "moved", "place": "counter", "at": "2027-01-01T08:00"}, "at"),
        ("post", f"{GULL}/feed", TOMORROW | {"at": "2026-11-20T08:30"}, "at"),
        ("post", f"{GULL}/feed", TOMORROW | {"needed_g": -3}, "needed_g"),
        ("post", "/api/cultures/pip/feed", TOMORROW, "culture"),
        ("post", f"{GULL}/away", {"leave": "2026-11-20T08:00", "back": "2026-12-20T08:00"}, "leave"),
        ("post", f"{GULL}/away", {"leave": "2026-12-20T08:00", "back": "2026-12-10T08:00"}, "back"),
        ("put", "/api/cultures/new", {"name": "", "flour_kind": "rye", "jar": JAR}, "name"),
        ("put", "/api/cultures/new", {"name": "A", "flour_kind": "sand", "jar": JAR}, "flour_kind"),
        ("put", "/api/cultures/new", {"name": "A", "flour_kind": "rye", "jar": {}}, "jar.diameter_mm"),
        ("put", "/api/cultures/new/file", {"text": "nonsense"}, "text"),
        ("post", "/api/preferments", DOSE | {"ripe": "2026-11-28T19:00"}, "ripe"),
        ("post", "/api/preferments", DOSE | {"flour_kind": "sand"}, "flour_kind"),
        ("post", "/api/sour", {"needed_g": 800, "at": "2026-11-20T08:00"}, "at"),
    ],
)
def test_refusals_name_their_field(client, method, path, body, field):
    answer = getattr(client, method)(path, json=body)
    assert answer.status_code == 422 and answer.json["errors"][0]["field"] == field
    assert answer.json["errors"][0]["sentence"]


@pytest.mark.parametrize(
    "path", ["/api/cultures/none", "/api/cultures/none/history.csv", "/api/cultures/gull/pictures/none"]
)
def test_what_is_not_here_is_not_found(client, path):
    assert client.get(path).status_code == 404


def test_care_compare_dose_and_sour_answer_for_the_demo(client):
    away = client.post(f"{GULL}/away", json={"leave": "2026-12-01T09:00", "back": "2026-12-21T09:00"}).json["away"]
    assert [step["kind"] for step in away["steps"]][:3] == ["feed", "feed", "chill"]
    plain = [client.get(f"/api/cultures/{key}/plain-feed").json["plain"] for key in ("gull", "brack")]
    assert all(each["ripe"]["likely"] > 2 for each in plain)
    made = client.post("/api/preferments", json=DOSE).json
    assert 0.05 < made["dose"]["yeast_percent"] < 0.3
    look = DOSE | {"start": "2026-11-27T19:00", "ripe": "2026-11-28T06:30", "surface": "dimpled"}
    assert client.post("/api/preferments/ripeness", json=look).json["ripeness"]["verdict"] == "ripe"
    sour = client.post("/api/sour", json={"needed_g": 800, "at": "2026-11-30T07:30", "culture_id": "brack"}).json
    assert len(sour["sour"]["stages"]) == 3 and sour["nights"]


def test_files_and_calendars_are_served_and_a_history_comes_back(client):
    text = client.get(f"{GULL}/history.json").get_data(as_text=True)
    assert json.loads(text)["culture"]["name"] == "Gull"
    assert client.put("/api/cultures/copy/file", json={"text": text}).json["culture"]["events_in_all"] == 23
    for path in (f"{GULL}/calendar.ics", "/api/calendar.ics"):
        answer = client.get(path)
        assert answer.content_type.startswith("text/calendar") and b"BEGIN:VEVENT" in answer.data


def test_a_picture_is_kept_shown_and_taken_away_and_no_other_file_is(client):
    assert client.put(f"{GULL}/pictures/one", data=PIXEL).json["culture"]["pictures"]
    shown = client.get(f"{GULL}/pictures/one")
    assert shown.data.startswith(b"\xff\xd8\xff") and shown.content_type == "image/jpeg"
    assert shown.headers["X-Content-Type-Options"] == "nosniff"
    assert not client.delete(f"{GULL}/pictures/one").json["culture"]["pictures"]
    for data in (b"", b"<svg onload=alert(1)>", b"GIF89a"):
        assert client.put(f"{GULL}/pictures/two", data=data).status_code == 422
    assert client.put(f"{GULL}/pictures/two", data=PIXEL + b"0" * 12_200_000).status_code == 413


def test_a_culture_is_put_away_and_comes_back(client):
    gone = client.delete(GULL).json
    assert "gull" not in [each["id"] for each in gone["cultures"]] and gone["gone"][0]["name"] == "Gull"
    assert client.post(f"{GULL}/restore").json["culture"]["put_away"] is False


def test_a_culture_of_two_flours_fed_on_two_days_in_a_jar_that_was_never_weighed(client):
    body = {
        "name": "Ebb", "flour_kind": "whole_rye", "also_flours": [{"kind": "strong_white", "percent": 50}],
        "jar": {"diameter_mm": 85},
        "schedule": {"every_days": 7, "times": [{"hour": 7, "weekday": 0}, {"hour": 19.5, "weekday": 3}]},
    }  # fmt: skip
    assert client.put("/api/cultures/ebb", json=body).status_code == 200
    fed = {"kind": "fed", "seed_g": 60, "flour_g": 20, "water_g": 20, "flour_kind": "rye"}
    shown = client.put("/api/cultures/ebb/events/one", json=fed).json["culture"]
    assert shown["culture"]["also_flours"] == body["also_flours"] and shown["life"]["grams"] == 100
    assert [each[:16] for each in shown["next_feeds"][:2]] == ["2026-11-30T07:00", "2026-12-03T19:30"]
    weighed = client.put("/api/cultures/ebb/events/two", json={"kind": "weighed", "g": 90}).json["culture"]
    assert weighed["life"]["grams"] == 90
    refused = client.put("/api/cultures/ebb/events/three", json={"kind": "weighed", "gross_g": 500})
    assert (
        refused.json["errors"][0]["field"] == "gross_g" and "not written down" in refused.json["errors"][0]["sentence"]
    )
    smelt = client.put("/api/cultures/ebb/events/four", json={"kind": "seen", "smell_words": "green apples"}).json
    assert smelt["culture"]["events"][0]["event"]["smell_words"] == "green apples"
    for form in ("json", "csv"):
        text = client.get(f"/api/cultures/ebb/history.{form}").get_data(as_text=True)
        copy = client.put(f"/api/cultures/ebb-{form}/file", json={"text": text}).json["culture"]
        assert copy["culture"] == shown["culture"] and copy["events_in_all"] == 3
        assert copy["events"][-1]["event"]["flour_kind"] == "rye"


def test_a_levain_ten_days_ahead_through_the_feeds_between(client):
    found = client.post(f"{GULL}/feed", json=TOMORROW | {"at": "2026-12-08T08:30"}).json["found"]
    assert found["ways"] and 9 <= len(found["usual"]) <= 10 and not found["assumed"]
    assert found["usual"][-1] < found["ways"][0]["feeds"][0]["at"]
    far = client.post(f"{GULL}/feed", json=TOMORROW | {"at": "2026-12-20T08:30"})
    assert far.status_code == 422 and far.json["errors"][0]["field"] == "at"
