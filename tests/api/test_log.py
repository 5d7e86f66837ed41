"""The log over the API: bakes sought, entered afterwards, side by side, as trials, with their formula, once more."""

import io
from datetime import datetime, timedelta
from urllib.parse import quote

import pytest
from PIL import Image

from gentle_crust.api.app import create_app
from gentle_crust.store.models import BakeRow, EventRow, PlanRow, TrialRow
from tests.api.conftest import PLAN, until_cut
from tests.api.test_loaf_sheet import judge

COUNTRY, TIN = "tidewater-country", "lamplighters-tin"


def picture(colour="tan", size=(900, 600), kind="JPEG"):
    out = io.BytesIO()
    Image.new("RGB", size, colour).save(out, kind)
    return out.getvalue()


def enter(day, key, mixed="2026-11-20T10:00", out="2026-11-20T18:30", formula=COUNTRY, **more):
    body = {"event": f"{key}-e", "formula_id": formula, "mixed": mixed, "out": out, **more}
    return day.client.put(f"/api/bakes/{key}", json=body)


def found(day, **query):
    return [each["id"] for each in day.client.get("/api/bakes", query_string=query).json["bakes"]]


def get(day, path):
    answer = day.client.get(path)
    assert answer.status_code == 200, answer.json
    return answer.json


# -- entered afterwards ------------------------------------------------------------------------------------------


def test_a_bake_of_last_week_is_entered_and_what_is_not_known_is_marked_as_guessed(day):
    bake = enter(day, "last-week", note="At my sister's.").json["bake"]
    assert bake["line"]["afterwards"] and bake["line"]["state"] == "baked"
    steps = {each["key"]: each for each in bake["steps"]}
    assert steps["mix-1"]["at"].startswith("2026-11-20T10:15") and not steps["mix-1"]["guessed"]
    assert steps["out-1"]["at"].startswith("2026-11-20T18:30") and not steps["out-1"]["guessed"]
    assert steps["divide-1"]["guessed"] and steps["mix-1"]["at"] < steps["divide-1"]["at"] < steps["out-1"]["at"]
    assert bake["line"]["drawn"]["end"].startswith("2026-11-20T18:30")
    assert [each["text"] for each in bake["notes"]] == ["At my sister's."]


def test_it_is_entered_with_its_own_course_vessel_and_warmth(day):
    bake = enter(day, "cold", out="2026-11-21T08:00", style="cold_shaped", vessel_id="stone", dough_c=23.5).json["bake"]
    assert bake["vessel_id"] == "stone"
    assert [(each["kind"], each["value"]) for each in bake["readings"]] == [("dough_c", 23.5)]
    assert "chill-1" in {each["key"] for each in bake["steps"]}


def test_entered_twice_it_is_there_once(day):
    enter(day, "twice")
    enter(day, "twice")
    assert found(day).count("twice") == 1
    assert len(get(day, "/api/bakes/twice")["bake"]["notes"]) == 0


@pytest.mark.parametrize(
    ("times", "field"),
    [
        ({"out": "2026-12-24T10:00", "mixed": "2026-12-23T20:00"}, "out"),
        ({"out": "2026-11-20T10:20"}, "out"),
        ({"out": "2026-11-19T10:00"}, "out"),
        ({"mixed": "2026-11-01T10:00"}, "out"),
        ({"mixed": "1990-11-20T10:00", "out": "1990-11-20T18:00"}, "mixed"),
        ({"mixed": "2026-02-31T10:00"}, "mixed"),
    ],
)
def test_times_that_cannot_be_are_refused_by_name_and_nothing_is_kept(day, times, field):
    answer = enter(day, "never", **times)
    assert answer.status_code in (400, 422) and answer.json["errors"][0]["field"] == field, answer.json
    assert found(day) == []


def test_it_can_be_judged_and_written_about_like_any_other(day):
    enter(day, "last-week")
    day.press("bake_loaf", {"liked": 5, "form": "domed"}, dough="last-week")
    day.press("bake_note", {"text": "Rain all day"}, dough="last-week")
    bake = get(day, "/api/bakes/last-week")["bake"]
    assert bake["line"]["loaf"]["liked"] == 5 and bake["notes"][-1]["text"] == "Rain all day"


# -- sought ------------------------------------------------------------------------------------------------------


@pytest.fixture
def several(day):
    enter(day, "spring", "2026-04-10T10:00", "2026-04-10T18:00", note="First with the new flour")
    enter(day, "summer", "2026-07-10T10:00", "2026-07-10T18:00")
    enter(day, "autumn", "2026-10-10T10:00", "2026-10-10T18:00")
    enter(day, "tin", "2026-10-12T10:00", "2026-10-12T17:00", formula=TIN)
    day.press("bake_loaf", {"liked": 5, "openness": "open"}, dough="spring")
    day.press("bake_loaf", {"liked": 2, "form": "spread", "bite": "gummy"}, dough="summer")
    day.press("bake_note", {"text": "Percent 100%_ sure"}, dough="autumn")
    return day


@pytest.mark.many
@pytest.mark.parametrize(
    ("query", "keys"),
    [
        ({}, ["tin", "autumn", "summer", "spring"]),
        ({"name": "new FLOUR"}, ["spring"]),
        ({"name": "flour new"}, ["spring"]),
        ({"name": "lamp"}, ["tin"]),
        ({"name": "100%_"}, ["autumn"]),
        ({"name": "nothing of the kind"}, []),
        ({"formula": TIN}, ["tin"]),
        ({"liked": 3}, ["spring"]),
        ({"liked": 2}, ["summer", "spring"]),
        ({"fault": "gummy"}, ["summer"]),
        ({"fault": "spread"}, ["summer"]),
        ({"season": "jun_aug"}, ["summer"]),
        ({"season": "sep_nov", "formula": COUNTRY}, ["autumn"]),
    ],
)
def test_bakes_are_found_by_words_formula_rating_fault_and_season(several, query, keys):
    assert found(several, **query) == keys


def test_an_unknown_fault_is_refused_by_name(day):
    answer = day.client.get("/api/bakes?fault=ugly")
    assert answer.status_code in (400, 422) and answer.json["errors"][0]["field"] == "fault"


def test_only_what_is_there_is_offered_to_search_by(several):
    choices = get(several, "/api/bakes/choices")["choices"]
    assert {each["key"]: each["count"] for each in choices["formulas"]} == {COUNTRY: 3, TIN: 1}
    assert [each["key"] for each in choices["faults"]] == ["gummy", "spread"]
    assert choices["bakes"] == 4 and choices["faults"][0]["name"] == "gummy"


def test_what_is_put_right_in_a_sheet_is_no_fault_any_more(several):
    several.press("bake_loaf", {"liked": 3, "form": "domed"}, dough="summer")
    assert found(several, fault="spread") == []


# -- taken out, and back -----------------------------------------------------------------------------------------


def test_a_bake_taken_out_is_gone_from_every_list_and_had_back_as_it_was(several):
    before = get(several, "/api/bakes/summer")["bake"]
    assert several.press("bake_removed", key="gone", dough="summer")["taken"] == ["gone"]
    assert "summer" not in found(several) and get(several, "/api/bakes/choices")["choices"]["removed"] == 1
    assert [each["id"] for each in get(several, "/api/bakes/removed")["bakes"]] == ["summer"]
    assert get(several, f"/api/formulas/{COUNTRY}/history")["history"]["bakes"] == 2
    several.press("bake_withdrawn", {"event": "gone"}, dough="summer")
    assert get(several, "/api/bakes/summer")["bake"] == before and "summer" in found(several)


def test_what_is_on_the_bench_is_not_taken_out(day):
    day.mixed()
    refused = day.press("bake_removed")["refused"]
    assert refused and "bench" in refused[0]["sentence"]


def test_after_thirty_days_it_is_gone_for_good_and_not_before(several):
    several.press("bake_removed", dough="summer")

    def starts_after(days):
        several.now += timedelta(days=days)
        create_app(several.sessions, lambda: several.now)
        with several.sessions() as session:
            return [session.get(BakeRow, "summer"), session.get(PlanRow, "summer")], (
                session.query(EventRow).filter_by(subject="summer").count()
            )

    rows, events = starts_after(29)
    assert all(rows) and events
    rows, events = starts_after(2)
    assert rows == [None, None] and events == 0
    assert found(several) == ["tin", "autumn", "spring"]


# -- side by side ------------------------------------------------------------------------------------------------


def compare(day, *keys):
    return get(day, "/api/bakes/compare?of=" + ",".join(keys))


def differing(answer):
    return {each["what"]: each["values"] for each in answer["compared"]["lines"] if each["counts"]}


def test_two_bakes_alike_differ_in_nothing(day):
    enter(day, "one", "2026-11-10T10:00", "2026-11-10T18:30")
    enter(day, "two", "2026-11-17T10:00", "2026-11-17T18:30")
    both = compare(day, "one", "two")
    assert both["compared"]["things"] == 0 and "Nothing" in both["compared"]["worth"]


def test_another_vessel_is_one_thing_and_another_formula_many(day):
    enter(day, "pot", "2026-11-10T10:00", "2026-11-10T18:30", vessel_id="pot")
    enter(day, "stone", "2026-11-17T10:00", "2026-11-17T18:30", vessel_id="stone")
    enter(day, "tin", "2026-11-17T10:00", "2026-11-17T18:30", formula=TIN)
    one = compare(day, "pot", "stone")["compared"]
    assert one["things"] == 1 and "trial" in one["worth"], differing({"compared": one})
    many = compare(day, "pot", "tin")["compared"]
    assert many["things"] >= 4 and "different breads" in many["worth"]


def test_a_longer_bulk_and_a_warmer_dough_are_told_with_their_figures(day):
    enter(day, "short", "2026-11-10T10:00", "2026-11-10T17:00", dough_c=24)
    enter(day, "long", "2026-11-17T10:00", "2026-11-17T20:00", dough_c=27)
    both = compare(day, "short", "long")
    said = differing(both)
    assert said["dough, measured"] == ["24°C", "27°C"]
    assert "bulk, as done" in said
    assert [span["differs"] for span in both["sides"][0]["spans"] if span["code"] == "bulk"] == [True]


def test_loaves_side_by_side_tell_in_which_looks_they_differ(several):
    both = compare(several, "spring", "summer")
    assert both["sides"][0]["sheet"]["liked"] == 5
    assert "liked" in both["looks"] and "form" not in both["looks"], "of the form only one of them speaks"


def test_six_are_compared_and_one_or_seven_or_the_same_twice_are_not(day):
    keys = [f"b{n}" for n in range(7)]
    for n, key in enumerate(keys):
        enter(day, key, f"2026-11-{10 + n}T10:00", f"2026-11-{10 + n}T18:30")
    assert len(compare(day, *keys[:6])["sides"]) == 6
    for wrong in (keys[:1], keys, [keys[0], keys[0]]):
        answer = day.client.get("/api/bakes/compare?of=" + ",".join(wrong))
        assert (answer.status_code in (400, 409, 422) and "compared" in answer.text) or "twice" in answer.text
    assert day.client.get("/api/bakes/compare?of=b1,never").status_code == 404


# -- with their formula ------------------------------------------------------------------------------------------


def test_a_formula_tells_its_versions_and_what_came_of_each(several):
    formula = several.client.get(f"/api/formulas/{COUNTRY}").json
    body = formula["formula"] | {"hydration_percent": 80}
    assert several.client.put(f"/api/formulas/{COUNTRY}", json=body).status_code == 200
    newest = several.client.get(f"/api/formulas/{COUNTRY}").json["version"]
    enter(several, "wetter", "2026-11-20T10:00", "2026-11-20T18:00")
    several.press("bake_loaf", {"liked": 4}, dough="wetter")
    history = get(several, f"/api/formulas/{COUNTRY}/history")["history"]
    first = history["versions"][0]
    assert first["number"] == newest and [each["id"] for each in first["bakes"]] == ["wetter"] and first["liked"] == 4
    assert any("80" in each["after"] for each in first["changes"])
    assert history["bakes"] == 4 and history["best"]["id"] == "spring"
    assert sum(each["in_all"] for each in history["versions"]) == 4


def test_a_record_whose_formula_was_put_away_keeps_its_history(several):
    several.client.delete(f"/api/formulas/{TIN}")
    history = get(several, f"/api/formulas/{TIN}/history")["history"]
    assert history["put_away"] and history["bakes"] == 1
    assert several.client.get("/api/formulas/never-was/history").status_code == 404


def test_again_like_this_one_takes_what_was_done(day):
    enter(day, "long", "2026-11-17T10:00", "2026-11-17T21:00", dough_c=26.4, vessel_id="stone")
    again = get(day, "/api/bakes/long/again")["again"]
    asked = again["asked"]
    assert asked["dough_c"] == 26.4 and asked["vessel_id"] == "stone" and asked["ready"] is None
    plan = day.client.post("/api/plan", json={k: v for k, v in asked.items() if v is not None}).json["plan"]
    planned = {each["key"]: datetime.fromisoformat(each["at"]) for each in plan["steps"]}
    bulk_h = (planned["divide-1"] - planned["mix-1"]) / timedelta(hours=1) - 0.25
    steps = {each["key"]: each for each in get(day, "/api/bakes/long")["bake"]["steps"]}
    had = datetime.fromisoformat(steps["divide-1"]["at"]) - datetime.fromisoformat(steps["mix-1"]["at"])
    assert bulk_h == pytest.approx(had / timedelta(hours=1), abs=0.1), "mixing takes a quarter of an hour"
    assert any("as long as it really took" in each for each in again["takes"])


# -- trials ------------------------------------------------------------------------------------------------------


def trial(day, key="t1", **more):
    sides = [{"bake": "pot", "says": "in the pot"}, {"bake": "stone", "says": "on the stone"}]
    body = {"formula_id": COUNTRY, "question": "Pot or stone?", "sides": sides, **more}
    return day.client.put(f"/api/trials/{key}", json=body)


@pytest.fixture
def pair(day):
    enter(day, "pot", "2026-11-10T10:00", "2026-11-10T18:30", vessel_id="pot")
    enter(day, "stone", "2026-11-17T10:00", "2026-11-17T18:30", vessel_id="stone")
    return day


def test_a_trial_is_planned_judged_concluded_and_kept_with_its_formula(pair):
    planned = trial(pair).json["trial"]
    assert planned["ready"] and planned["trial"]["better"] is None and "Not judged" in planned["pooled"]["worth"]
    done = pair.client.put("/api/trials/t1/conclusion", json={"better": 1, "conclusion": "Crisper base."})
    assert done.json["trial"]["trial"]["better"] == 1
    kept = get(pair, f"/api/formulas/{COUNTRY}/history")["history"]["trials"]
    assert [each["trial"]["conclusion"] for each in kept] == ["Crisper base."]
    assert "luck" in kept[0]["pooled"]["worth"]
    assert [each["id"] for each in get(pair, "/api/bakes/pot")["trials"]] == ["t1"]


def test_trials_of_one_question_are_pooled_and_others_are_not(pair):
    for n in range(6):
        trial(pair, f"t{n}")
        pair.client.put(f"/api/trials/t{n}/conclusion", json={"better": 1})
    trial(pair, "other", question="Which is quicker?")
    pooled = get(pair, "/api/trials/t3")["trial"]["pooled"]
    assert pooled["pairs"] == 6 and {each["side"]: each["count"] for each in pooled["wins"]} == {
        "in the pot": 0,
        "on the stone": 6,
    }
    assert "6 of 6" in pooled["worth"] and "32" in pooled["worth"]
    assert get(pair, "/api/trials/other")["trial"]["pooled"]["pairs"] == 0


def measured_pair(day, n):
    """One more pair of bakes, measured: the stone's loaf is larger, by no means always as much."""
    sides = []
    for place, (vessel, says) in enumerate((("pot", "in the pot"), ("stone", "on the stone"))):
        key = f"{vessel}-{n}"
        enter(day, key, f"2026-11-{10 + n}T10:00", f"2026-11-{10 + n}T18:30", vessel_id=vessel)
        day.press("bake_loaf", {"height_mm": 90 + (7 + n) * place, "width_mm": 200, "out_g": 740}, dough=key)
        sides.append({"bake": key, "says": says})
    return sides if n % 2 else sides[::-1]


def test_what_was_measured_is_pooled_over_pairs_whichever_side_stands_first(day):
    for n in range(3):
        body = {"formula_id": COUNTRY, "question": "Pot or stone?", "sides": measured_pair(day, n)}
        assert day.client.put(f"/api/trials/m{n}", json=body).status_code == 200
        day.client.put(f"/api/trials/m{n}/conclusion", json={"better": 0 if n % 2 == 0 else 1})
    shown = get(day, "/api/trials/m0")["trial"]
    tall = next(each for each in shown["apart"] if each.startswith("height over width"))
    assert "“in the pot” 0.04 less on average over 3 pairs" in tall, tall
    assert next(each for each in shown["apart"] if each.startswith("volume")).count("ml") == 3
    assert shown["pooled"]["liking"]["side"] == "on the stone" and shown["pooled"]["liking"]["sure"] > 0.9
    assert get(day, "/api/trials")["trials"][0]["apart"] == [], "a list does not weigh every loaf"
    day.client.delete("/api/trials/m0/conclusion")
    assert "over 2 pairs" in next(e for e in get(day, "/api/trials/m1")["trial"]["apart"] if e.startswith("height"))


def test_the_same_two_loaves_are_one_pair_however_often_they_are_judged(day):
    sides = measured_pair(day, 1)
    for key in ("one", "two"):
        day.client.put(f"/api/trials/{key}", json={"formula_id": COUNTRY, "question": "Pot or stone?", "sides": sides})
        day.client.put(f"/api/trials/{key}/conclusion", json={"better": 0})
    assert all("in the one pair" in each for each in get(day, "/api/trials/two")["trial"]["apart"])


def test_a_conclusion_is_taken_back_and_a_trial_put_away_and_brought_back(pair):
    trial(pair)
    pair.client.put("/api/trials/t1/conclusion", json={"better": -1, "conclusion": "No difference."})
    assert trial(pair, question="Changed").status_code == 409
    assert pair.client.delete("/api/trials/t1/conclusion").json["trial"]["trial"]["better"] is None
    pair.client.post("/api/trials/t1/put-away", json={"away": True})
    assert get(pair, "/api/trials")["trials"] == []
    pair.client.post("/api/trials/t1/put-away", json={"away": False})
    assert len(get(pair, "/api/trials")["trials"]) == 1


@pytest.mark.parametrize(
    ("body", "field"),
    [
        ({"question": "  "}, "question"),
        ({"question": "x" * 201}, "question"),
        ({"sides": [{"bake": "pot"}]}, "sides"),
        ({"sides": [{"bake": "pot"}, {"bake": "pot"}]}, "sides"),
        ({"sides": [{"bake": "pot"}, {"bake": "never"}]}, "sides"),
        ({"blind": True}, "blind"),
        ({"formula_id": "never"}, "formula_id"),
    ],
)
def test_a_trial_that_cannot_be_is_refused_by_name(pair, body, field):
    answer = trial(pair, **body)
    assert answer.status_code >= 400 and answer.json["errors"][0]["field"].startswith(field), answer.json
    assert get(pair, "/api/trials")["trials"] == []


def test_what_is_not_baked_is_not_judged(pair):
    pair.press("bake_started")
    trial(pair, sides=[{"bake": "pot"}, {"bake": PLAN}])
    answer = pair.client.put("/api/trials/t1/conclusion", json={"better": 0})
    assert answer.status_code == 409
    assert not get(pair, "/api/trials/t1")["trial"]["ready"]


# -- over time ---------------------------------------------------------------------------------------------------


def test_figures_over_time_and_how_right_it_has_been(baked):
    baked.press("bake_outcome", {"how": "right"})
    judge(baked, {"liked": 4})
    figures = get(baked, "/api/bakes/figures")
    point = figures["points"][-1]
    assert point["id"] == PLAN and point["liked"] == 4 and point["figures"]["bulk_min"] > 60
    assert figures["right"]["bakes"] == 1 and figures["right"]["read"] == 0 and figures["right"]["verdicts"] == 0


@pytest.mark.parametrize(("late", "inside"), [(0, 1), (30, 1), (-110, 0)])
def test_readings_are_held_against_what_was_forecast_before(day, late, inside):
    day.mixed()
    plan = day.client.get(f"/api/plans/{PLAN}").json["plan"]
    bulk = next(part for part in plan["ribbon"]["parts"] if part["kind"] == "bulk")["points"]
    lasts = datetime.fromisoformat(bulk[-1]["at"]) - datetime.fromisoformat(bulk[0]["at"])
    mixing = next(each["minutes"] for each in plan["steps"] if each["kind"] == "mix")
    began = day.now - timedelta(minutes=mixing)
    day.now = began + lasts + timedelta(minutes=late)
    day.press("reading", {"measure": "percent", "value": round(100 * bulk[-1]["rise"])})
    until_cut(day)
    figures = get(day, "/api/bakes/figures")["points"][-1]["figures"]
    assert (figures["read"], figures["inside"]) == (1, inside)
    assert figures["late_min"] == pytest.approx(late, abs=12)
    right = get(day, "/api/bakes/figures")["right"]
    assert (right["read"], right["inside"], right["late_min"]) == (1, inside, figures["late_min"])


def test_a_verdict_is_counted_with_how_it_came_out(baked):
    with baked.sessions() as session:
        row = session.get_one(BakeRow, PLAN)
        row.figures = {**row.figures, "verdict": "ready", "how": "over"}
        session.commit()
    right = get(baked, "/api/bakes/figures")["right"]
    assert right["judged"] == [{"verdict": "ready", "how": "over", "count": 1}]
    assert (right["as_judged"], right["verdicts"]) == (0, 1)


# -- planned as a trial ------------------------------------------------------------------------------------------

ASKED = {"formula_id": COUNTRY, "pieces": 2, "ready": "2026-11-29T12:00"}


def offers(day, **more):
    return day.client.post("/api/plan/trials", json=ASKED | more).json["offers"]


def test_a_plan_of_several_pieces_can_be_a_trial_and_one_of_a_single_loaf_cannot(day):
    found = {each["code"]: each for each in offers(day)}
    assert "night" in found and any(code.startswith("vessel-") for code in found)
    assert all(each["parts"] == ["A", "B"] and len(each["says"]) == 2 for each in found.values())
    assert offers(day, pieces=1) == []


@pytest.mark.parametrize("vessel", ["pot", "stone"])
def test_every_trial_that_is_offered_can_be_planned_and_its_parts_differ_in_one_thing(day, vessel):
    for offer in offers(day, vessel_id=vessel):
        body = {"formula_id": COUNTRY, "pieces": 2, "method": offer["method"], "ready": "2026-11-29T18:00"}
        answer = day.client.post("/api/plan", json=body)
        assert answer.status_code == 200, (offer["code"], answer.json)
        assert [each["name"] for each in answer.json["plan"]["outs"]] == ["A", "B"], offer["code"]
        saved = day.client.put(f"/api/plans/trial-{vessel}-{offer['code']}"[:50], json=body)
        assert saved.status_code == 200, (offer["code"], saved.json)


def planned_trial(day, blind, code="vessel-stone"):
    offer = next(each for each in offers(day, vessel_id="pot") if each["code"] == code)
    body = {"formula_id": COUNTRY, "pieces": 2, "method": offer["method"], "ready": "2026-11-29T18:00"}
    assert day.client.put("/api/plans/pair", json=body).status_code == 200
    sides = [{"bake": "pair", "part": part, "says": say} for part, say in zip("AB", offer["says"], strict=True)]
    wish = {"formula_id": COUNTRY, "question": "Pot or stone?", "sides": sides, "blind": blind}
    assert day.client.put("/api/trials/t1", json=wish).status_code == 200
    return day.client.get("/api/plans/pair").json


def test_a_blind_trial_goes_by_letters_until_it_is_judged(day):
    saved = planned_trial(day, blind=True)
    letters = {each["part"]: each["letter"] for each in saved["letters"]}
    assert set(letters) == {"A", "B"} and not set(letters.values()) & {"A", "B"}
    day.press("bake_started", dough="pair")
    until_cut(day, "pair")
    day.now += timedelta(hours=2)
    bake = get(day, "/api/bakes/pair")["bake"]
    assert bake["parts"] == sorted(letters.values())
    for letter, liked in zip(sorted(letters.values()), (2, 5), strict=True):
        day.press("bake_loaf", {"part": letter, "liked": liked}, dough="pair")
    hidden = get(day, "/api/bakes/pair")
    assert {each["sheet"]["part"] for each in hidden["bake"]["loaves"]} == set(letters.values())
    sides = hidden["trials"][0]["trial"]["sides"]
    assert [each["part"] for each in sides] == sorted(letters.values()) and not any(each["says"] for each in sides)
    better = sorted(letters.values())[1]
    told = day.client.put("/api/trials/t1/conclusion", json={"better": 1, "conclusion": "It rose higher."}).json[
        "trial"
    ]
    real = next(part for part, letter in letters.items() if letter == better)
    assert told["trial"]["sides"][told["trial"]["better"]]["part"] == real
    assert {each["sheet"]["part"] for each in get(day, "/api/bakes/pair")["bake"]["loaves"]} == {"A", "B"}


def test_parts_of_one_bake_are_held_side_by_side_each_with_its_own_loaf_and_oven(day):
    planned_trial(day, blind=False)
    day.press("bake_started", dough="pair")
    until_cut(day, "pair")
    day.press("bake_loaf", {"part": "A", "liked": 3, "form": "domed"}, dough="pair")
    day.press("bake_loaf", {"part": "B", "liked": 5, "form": "flat"}, dough="pair")
    both = compare(day, "pair:A", "pair:B")
    assert [each["sheet"]["liked"] for each in both["sides"]] == [3, 5]
    assert both["compared"]["things"] == 1, differing(both)
    assert both["sides"][0]["drawn"]["end"] <= both["sides"][1]["drawn"]["end"]
    assert {"liked", "form"} <= set(both["looks"])


@pytest.mark.parametrize(("vessel", "covered"), [("pot", True), ("stone", False)])
def test_it_is_entered_with_its_own_bake(day, vessel, covered):
    bake = enter(day, "own", vessel_id=vessel, oven_c=210, baked_min=55).json["bake"]
    assert bake["vessel_id"] in (vessel, "as_method")
    plan = day.client.get("/api/plans/own").json["plan"]
    assert {each["setpoint_c"] for each in plan["ribbon"]["bake"]} == {210}
    assert any(each["covered"] for each in plan["ribbon"]["bake"]) is covered
    steps = {each["key"]: datetime.fromisoformat(each["at"]) for each in bake["steps"]}
    assert (steps["out-1"] - steps["load-1"]) / timedelta(minutes=1) == pytest.approx(55, abs=8)


@pytest.mark.parametrize(("wrong", "field"), [({"oven_c": 900}, "oven_c"), ({"baked_min": 0}, "baked_min")])
def test_an_oven_that_cannot_be_is_refused_by_name(day, wrong, field):
    answer = enter(day, "never", **wrong)
    assert answer.status_code in (400, 422) and answer.json["errors"][0]["field"] == field, answer.json
    assert found(day) == []


# -- seams -------------------------------------------------------------------------------------------------------


def damage(day, key="t1"):
    with day.sessions() as session:
        session.get_one(TrialRow, key).body = {"question": 3}
        session.commit()


def test_a_trial_that_cannot_be_read_costs_itself_and_no_record(pair):
    trial(pair)
    trial(pair, "t2", question="Which is quicker?")
    damage(pair)
    assert [each["id"] for each in get(pair, "/api/trials")["trials"]] == ["t2"]
    assert [each["id"] for each in get(pair, "/api/bakes/pot")["trials"]] == ["t2"]
    assert len(get(pair, f"/api/formulas/{COUNTRY}/history")["history"]["trials"]) == 1
    assert pair.press("bake_loaf", {"liked": 3}, dough="pot")["refused"] == []
    broken = pair.client.get("/api/trials/t1")
    assert broken.status_code < 500 and broken.json["errors"][0]["sentence"]


def test_parts_of_a_blind_trial_are_not_set_side_by_side_before_it_is_judged(day):
    planned_trial(day, blind=True)
    day.press("bake_started", dough="pair")
    until_cut(day, "pair")
    letters = get(day, "/api/bakes/pair")["bake"]["parts"]
    for parts in (letters, ["A", "B"]):
        answer = day.client.get("/api/bakes/compare?of=" + ",".join(f"pair:{part}" for part in parts))
        assert answer.status_code == 409 and "judge it first" in answer.json["errors"][0]["sentence"].lower()
    day.client.put("/api/trials/t1/conclusion", json={"better": -1})
    assert len(compare(day, "pair:A", "pair:B")["sides"]) == 2


def test_a_photo_of_a_blind_part_is_that_parts_once_it_is_told(day):
    saved = planned_trial(day, blind=True)
    letters = {each["letter"]: each["part"] for each in saved["letters"]}
    day.press("bake_started", dough="pair")
    until_cut(day, "pair")
    letter = min(letters)
    put = day.client.put(f"/api/bench/pair/photos/one?part={letter}", data=picture())
    assert put.status_code == 200
    assert get(day, "/api/bakes/pair")["bake"]["photos"][0]["part"] == letter
    day.client.put("/api/trials/t1/conclusion", json={"better": -1})
    assert get(day, "/api/bakes/pair")["bake"]["photos"][0]["part"] == letters[letter]
    none = day.client.put("/api/bench/pair/photos/two?part=Z", data=picture())
    assert none.status_code in (400, 422) and none.json["errors"][0]["field"] == "part"


def test_parts_go_by_any_name_side_by_side(day):
    offer = next(each for each in offers(day, vessel_id="pot") if each["code"] == "vessel-stone")
    method = offer["method"]
    for part, name in zip(method["parts"], ("with, walnuts", "50:50 %"), strict=True):
        part["name"] = name
    day.client.put("/api/plans/odd", json={"formula_id": COUNTRY, "pieces": 2, "method": method,
                                           "ready": "2026-11-29T18:00"})  # fmt: skip
    day.press("bake_started", dough="odd")
    until_cut(day, "odd")
    of = ",".join(f"odd:{quote(name, safe='')}" for name in ("with, walnuts", "50:50 %"))
    sides = day.client.get("/api/bakes/compare", query_string={"of": of}).json["sides"]
    assert [each["part"] for each in sides] == ["with, walnuts", "50:50 %"]


def test_a_time_that_was_reckoned_is_put_right_and_is_told_from_then_on(day):
    enter(day, "last-week")
    steps = {each["key"]: each for each in get(day, "/api/bakes/last-week")["bake"]["steps"]}
    divided = steps["divide-1"]
    at = (datetime.fromisoformat(divided["at"]) - timedelta(minutes=12)).isoformat()
    day.press("bake_corrected", {"event": divided["event"], "at": at}, dough="last-week")
    after = {each["key"]: each for each in get(day, "/api/bakes/last-week")["bake"]["steps"]}
    assert datetime.fromisoformat(after["divide-1"]["at"]) == datetime.fromisoformat(at)
    assert not after["divide-1"]["guessed"] and after["shape-1"]["guessed"]
    first = get(day, "/api/bakes/figures")["points"][-1]["figures"]["bulk_min"]
    assert first == pytest.approx((datetime.fromisoformat(at) - datetime.fromisoformat(steps["mix-1"]["at"]))
                                  / timedelta(minutes=1), abs=6)  # fmt: skip


@pytest.mark.parametrize(("before_end", "way"), [(5, "rise"), (90, "long")])
def test_again_goes_by_a_rise_only_if_it_was_read_as_the_bulk_ended(day, before_end, way):
    enter(day, "long", "2026-11-17T10:00", "2026-11-17T21:00")
    steps = {each["key"]: each for each in get(day, "/api/bakes/long")["bake"]["steps"]}
    at = datetime.fromisoformat(steps["divide-1"]["at"]) - timedelta(minutes=before_end)
    day.press("reading", {"measure": "percent", "value": 45}, at=at, dough="long")
    takes = " ".join(get(day, "/api/bakes/long/again")["again"]["takes"])
    assert ("rise of 45" in takes) is (way == "rise") and ("really took" in takes) is (way == "long")


def test_a_note_that_is_too_long_is_refused_and_not_cut(day):
    answer = enter(day, "never", note="x" * 2001)
    assert answer.status_code in (400, 422) and answer.json["errors"][0]["field"] == "note"
    assert found(day) == []
