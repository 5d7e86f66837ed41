"""The bench over HTTP: presses kept once, undone, corrected; judgements, photos, instruments, faults."""

import io
import json
import sqlite3
from datetime import UTC, datetime, timedelta

import pytest
from PIL import Image
from sqlalchemy import text

from gentle_crust.api.app import create_app
from gentle_crust.store.database import folder_of
from tests.api.conftest import PLAN, Day
from tests.conftest import SATURDAY

MIN = timedelta(minutes=1)


def test_a_plan_is_started_followed_step_by_step_and_its_record_is_whole(day):
    assert day.bench()["doughs"] == []
    day.press("bake_started")
    assert day.dough()["next"] == "levain-1" and day.dough()["steps"][0]["say"]
    order, now = [], SATURDAY
    for _ in range(30):
        dough = day.dough()
        if dough["over"]:
            break
        step = next(each for each in dough["steps"] if each["key"] == dough["next"])
        order.append(step["key"])
        now = max(now, datetime.fromisoformat(step["at"])) + step["minutes"] * MIN
        day.now = now
        assert day.done(step["key"])["refused"] == []
    assert order == ["levain-1", "autolyse-1", "mix-1", "fold-1", "fold-2", "fold-3", "fold-4", "divide-1",
                     "preshape-1", "shape-1", "chill-1", "preheat-1", "score-1", "load-1", "uncover-1", "set_oven-1",
                     "swap-1", "out-1", "cut-1"]  # fmt: skip
    record = day.client.get(f"/api/bench/{PLAN}/record").json
    assert record["complete"] and len(record["events"]) == 20
    out = next(each for each in record["events"] if each["body"].get("key") == "out-1")
    assert abs(datetime.fromisoformat(out["at"]) - datetime(2026, 11, 29, 7, 30, tzinfo=UTC)) < 12 * MIN
    day.press("bake_outcome", {"how": "right"})
    day.press("bake_finished")
    assert day.bench()["doughs"] == []


def test_the_same_press_twice_from_two_devices_is_one(day):
    day.mixed().at(14, 50)
    first = day.press("bake_step", {"key": "fold-1"}, key="phone", at=day.now)
    again = day.press("bake_step", {"key": "fold-1"}, key="phone", at=day.now)
    other = day.press("bake_step", {"key": "fold-1"}, key="laptop", at=day.now + MIN)
    assert first["taken"] == again["taken"] == ["phone"] and other["taken"] == ["laptop"]
    folds = [each for each in day.dough()["steps"] if each["key"] == "fold-1"]
    assert len(folds) == 1 and folds[0]["state"] == "done"
    assert folds[0]["at"].startswith("2026-11-28T14:50")
    day.press("bake_withdrawn", {"event": "laptop"})
    assert day.step("fold-1")["state"] != "done"
    day.done("fold-1")
    assert day.step("fold-1")["state"] == "done"


def test_a_time_is_corrected_and_the_forecast_with_it(day):
    day.mixed().at(15, 30)
    day.press("bake_step", {"key": "fold-1"}, key="f")
    day.press("bake_corrected", {"event": "f", "at": "2026-11-28T14:52:00+00:00"})
    assert day.step("fold-1")["at"].startswith("2026-11-28T14:52")
    refused = day.press("bake_corrected", {"event": "f", "at": "2026-11-28T19:00:00+00:00"})["refused"]
    assert refused[0]["field"] == "at" and refused[0]["remedy"]


def test_presses_kept_while_offline_arrive_in_any_order_with_their_true_times(day):
    day.mixed().at(17, 0)
    times = {"fold-2": (15, 20), "fold-1": (14, 50), "fold-3": (15, 55)}
    presses = [
        {"id": f"off-{key}", "dough": PLAN, "kind": "bake_step", "body": {"key": key},
         "at": datetime(2026, 11, 28, *at, tzinfo=UTC).isoformat()}
        for key, at in times.items()
    ]  # fmt: skip
    for _ in range(2):
        sent = {"sent_at": day.now.isoformat(), "presses": presses}
        assert len(day.client.post("/api/bench/presses", json=sent).json["taken"]) == 3
    for key, at in times.items():
        assert day.step(key)["at"].startswith("2026-11-28T{:02}:{:02}".format(*at))
    assert len([each for each in day.dough()["history"] if each["kind"] == "bake_step"]) == 6


def test_a_device_with_a_wrong_clock_is_put_right(day):
    day.mixed().at(14, 50)
    wrong = day.now + timedelta(hours=3)
    assert day.press("bake_step", {"key": "fold-1"}, at=wrong - 5 * MIN, sent=wrong)["refused"] == []
    assert day.step("fold-1")["at"].startswith("2026-11-28T14:45")


def test_late_skipped_extra_and_held_back(day):
    day.mixed().at(15, 20)
    day.press("bake_step", {"key": "fold-1", "skipped": True})
    assert day.step("fold-1")["state"] == "skipped" and day.dough()["next"] == "fold-2"
    day.press("bake_step", {"key": "extra_fold-x"})
    assert day.step("extra_fold-x")["state"] == "done"
    day.at(18, 0).press("bake_not_yet", {"key": "divide-1", "minutes": 50})
    assert day.step("divide-1")["at"] >= "2026-11-28T18:50"
    day.press("bake_snoozed", {"key": "divide-1", "minutes": 5})
    assert day.dough()["snoozed"]["divide-1"].startswith("2026-11-28T18:05")


def test_building_the_levain_takes_it_from_the_culture_and_undo_gives_it_back(day):
    day.press("bake_started")
    day.at(8, 40).done("levain-1", key="lev")
    history = day.client.get("/api/cultures/gull").json["culture"]["events"]
    taken = [each for each in history if "taken" in json.dumps(each)]
    assert any("lev-t" in json.dumps(each) for each in taken)
    day.press("bake_withdrawn", {"event": "lev"})
    after = day.client.get("/api/cultures/gull").json["culture"]["events"]
    assert not any("lev-t" in json.dumps(each) for each in after)


def test_a_dough_mixed_without_a_plan_comes_to_the_bench(day):
    day.at(10)
    body = {"event": "u-start", "formula_id": "lamplighters-tin", "pieces": 2, "mixed_at": day.now.isoformat()}
    for _ in range(2):
        found = day.client.post("/api/bench/mixed/unplanned", json=body)
        assert found.status_code == 200
    dough = day.dough("unplanned")
    assert dough["next"].startswith(("knead", "fold", "divide"))
    assert abs(datetime.fromisoformat(dough["mixed"]) - day.now) < 25 * MIN
    assert datetime.fromisoformat(dough["out"]) > day.now + timedelta(hours=3)
    late = day.client.post("/api/bench/mixed/other", json=body | {"mixed_at": "2026-11-28T12:00:00+00:00"})
    assert late.status_code == 422 and late.json["errors"][0]["field"] == "mixed_at"


def test_two_doughs_want_the_oven_and_a_remedy_is_applied_and_taken_back(day):
    day.mixed().at(14, 30)
    body = {"event": "t-start", "formula_id": "lamplighters-tin", "pieces": 2, "style": "room_steady"}
    day.client.post("/api/bench/mixed/tins", json=body | {"mixed_at": day.now.isoformat()})
    day.client.post("/api/bench/mixed/more", json=body | {"event": "m", "mixed_at": (day.now - 20 * MIN).isoformat()})
    codes = {clash["code"] for each in day.bench()["doughs"] for clash in each["clashes"]}
    assert "oven" in codes
    key = next(each["id"] for each in day.bench()["doughs"] if any(c["code"] == "oven" for c in each["clashes"]))
    ways = day.client.get(f"/api/bench/{key}/remedies").json["remedies"]
    assert 1 <= len(ways) <= 2
    change = {"change": ways[0]["change"], "sentence": ways[0]["sentence"]}
    day.press("bake_changed", change, key="way", dough=key)
    assert not day.dough(key)["clashes"]
    day.press("bake_withdrawn", {"event": "way"}, dough=key)
    assert day.dough(key)["clashes"]


def test_an_absence_is_noticed_and_taken_back(day):
    day.mixed().at(14, 30)
    times = {"start": "2026-11-28T17:30:00+00:00", "end": "2026-11-28T19:30:00+00:00"}
    day.press("absence", times, key="away", dough="")
    assert [clash["code"] for clash in day.dough()["clashes"]] == ["away"]
    assert day.bench()["absences"][0]["id"] == "away"
    day.press("absence_withdrawn", {"event": "away"}, dough="")
    assert day.dough()["clashes"] == [] and day.bench()["absences"] == []


def test_times_are_given_by_the_kitchens_clock_also_over_the_change_of_clocks(day):
    kitchen = day.client.get("/api/kitchen").json["settings"] | {"zone": "America/Halifax"}
    day.client.put("/api/kitchen", json=kitchen)
    day.mixed().at(14, 30)
    day.press("absence", {"from": "13:45", "to": "01:30"}, key="away", dough="")
    (away,) = day.bench()["absences"]
    assert (away["start"], away["end"]) == ("2026-11-28T17:45:00Z", "2026-11-29T05:30:00Z")
    day.at(23, 50).press("absence", {"from": "07:00", "to": "08:00"}, key="early", dough="")
    assert day.bench()["absences"][-1]["start"] == "2026-11-29T11:00:00Z"
    day.at(15, 30).press("bake_step", {"key": "fold-1"}, key="f")
    day.press("bake_corrected", {"event": "f", "at": "2026-11-28T10:52"}, key="c")
    assert day.step("fold-1")["at"].startswith("2026-11-28T14:52")
    day.press("bake_withdrawn", {"event": "c"})
    assert day.step("fold-1")["at"].startswith("2026-11-28T15:30")
    for bad in ({"from": "noon", "to": "13:00"}, {"from": "12:00", "to": "25:00"}):
        assert day.press("absence", bad, dough="")["refused"][0]["field"] in ("from", "to")


def test_a_culture_whose_history_will_not_have_it_holds_up_no_levain(day):
    day.press("bake_started")
    day.at(8, 40)
    day.client.delete("/api/cultures/gull")
    assert day.done("levain-1", key="lev")["taken"] == ["lev"]
    assert day.press("bake_withdrawn", {"event": "lev"})["refused"] == []
    assert day.step("levain-1")["state"] == "due"


def test_readings_in_the_oven_move_the_out(day):
    early = day.mixed().at(15, 0).press("reading", {"measure": "core", "value": 60})
    assert early["refused"][0]["field"] == "measure"
    for key, at in (("divide-1", (18, 20)), ("shape-1", (18, 50))):
        day.at(*at).done(key)
    day.at(6, 38, 29).done("load-1")
    planned = day.step("out-1")["at"]
    day.at(7, 5, 29).press("reading", {"measure": "core", "value": 40}, key="c")
    assert day.step("out-1")["at"] > planned
    day.at(7, 10, 29).press("reading", {"measure": "core", "value": 94})
    assert day.step("out-1")["at"] < planned
    assert [each["body"]["kind"] for each in day.dough()["history"] if each["kind"] == "reading"][-1] == "core_c"
    for body in ({"measure": "core", "value": 300}, {"measure": "oven", "value": "hot"}):
        assert day.press("reading", body)["refused"][0]["field"] == "value"


def test_instruments_in_the_oven_move_the_out(day):
    def hear(device, quantity, value, minutes):
        samples = [
            {
                "device": device,
                "quantity": quantity,
                "at": f"2026-11-29T{6 + at // 60:02}:{at % 60:02}:00+00:00",
                "value": value,
            }
            for at in minutes
        ]
        assert (
            day.client.post("/api/samples", json={"sent_at": samples[-1]["at"], "samples": samples}).status_code == 200
        )

    day.mixed().press("bake_probe", {"device": "dough-probe"})
    for key, at in (("divide-1", (18, 20)), ("shape-1", (18, 50))):
        day.at(*at).done(key)
    day.at(6, 38, 29).done("load-1")
    planned = day.step("out-1")["at"]
    day.at(6, 58, 29)
    hear("oven-probe", "oven_c", 215, range(48, 58))
    cool = day.step("out-1")["at"]
    assert cool > planned
    day.at(7, 12, 29)
    hear("dough-probe", "dough_c", 90, range(70, 72))
    assert day.step("out-1")["at"] < cool


def test_a_loaf_put_back_says_what_is_to_be_done_with_it(day):
    day.mixed()
    for key, at in (("divide-1", (18, 20)), ("shape-1", (18, 50))):
        day.at(*at).done(key)
    day.at(6, 38, 29).done("load-1")
    day.at(7, 20, 29).press("bake_not_yet", {"key": "out-1", "minutes": 5, "note": "Back in without its tin."})
    assert day.step("out-1")["detail"] == "Back in without its tin."
    cut = day.step("cut-1")
    assert "gummy" in cut["detail"]


def test_an_oven_that_is_cooler_than_its_dial_bakes_longer(day):
    day.mixed()
    for key, at in (("divide-1", (18, 20)), ("shape-1", (18, 50))):
        day.at(*at).done(key)
    day.at(6, 38, 29).done("load-1")
    planned = day.step("out-1")["at"]
    day.at(6, 50, 29).press("reading", {"measure": "oven", "value": 210})
    assert day.step("out-1")["at"] > planned


def test_a_loaf_is_judged_by_core_weight_and_colours_with_its_remedy(day):
    day.mixed().at(17, 30)

    def judged(cues):
        return day.client.post(f"/api/bench/{PLAN}/judge", json={"cues": cues, "stage": "baked"})

    low, lower = (judged({"core_c": core}).json["verdict"]["action"] for core in (93, 84))
    assert low["code"] == lower["code"] == "wait" and lower["within_min"] > low["within_min"]
    pale = judged({"core_c": 97, "crust": "deep", "base": "pale"}).json["verdict"]["action"]
    assert pale["code"] == "wait" and "without its tin" in pale["do"]
    dark = judged({"core_c": 85, "crust": "dark"}).json["verdict"]["action"]
    assert "Foil" in dark["do"]
    heavy, light = (judged({"core_c": 97, "crust": "deep", "out_g": g}).json["verdict"] for g in (850, 770))
    assert "door ajar" in heavy["action"]["do"] and light["action"]["code"] == "go"
    assert any("12.5" in each["says"] or each["cue"] == "loss_percent" for each in light["why"])
    refused = judged({"out_g": 20000})
    assert refused.status_code == 422 and refused.json["errors"][0]["field"].endswith("out_g")


def test_a_judgement_is_kept_as_it_was_shown_moves_the_dough_and_is_scored(day):
    day.mixed().at(17, 30)
    cues = day.client.get(f"/api/bench/{PLAN}/cues").json
    assert cues["standing"]["stage"] == "bulk" and {"edge", "jiggle"} <= {cue["cue"] for cue in cues["cues"]}
    shown = day.client.post(f"/api/bench/{PLAN}/judge", json={"cues": {"jiggle": "none", "bubbles": "none"}}).json
    before = day.step("divide-1")["at"]
    day.press("bake_judged", {"cues": {"jiggle": "none", "bubbles": "none"}}, key="j")
    kept = next(each for each in day.dough()["history"] if each["id"] == "j")["body"]
    assert kept["verdict"]["verdict"] == shown["verdict"]["verdict"] and kept["verdict"]["engine"]
    assert day.step("divide-1")["at"] > before
    refused = day.press("bake_judged", {"cues": {"jiggle": "mad"}})["refused"]
    assert refused[0]["field"] == "cues.jiggle"
    for key, at in (("divide-1", (18, 20)), ("shape-1", (18, 50))):
        day.at(*at).done(key)
    signs = {"edge": "firm", "poke": "slow_partial", "jiggle": "wobbly", "feel": "airy"}
    day.at(6, 0, 29).press("bake_judged", {"cues": signs})
    day.press("bake_outcome", {"how": "right"})
    assert day.client.get("/api/bench/score").json["score"] == {"right": 1, "judged": 1}


def _photo(size=(2400, 1800)):
    exif = Image.Exif()
    exif[0x8825] = {1: "N", 2: (53.0, 20.0, 30.0)}
    exif[0x010F] = "Camera of Agnes"
    exif[0x0112] = 6
    file = io.BytesIO()
    Image.new("RGB", size, (180, 120, 60)).save(file, "JPEG", exif=exif)
    return file.getvalue()


def test_a_photo_is_made_small_turned_upright_and_stripped_of_where_it_was_taken(day):
    day.mixed()
    sent = day.client.put(f"/api/bench/{PLAN}/photos/ph1", data=_photo(), headers={"Taken-At": day.now.isoformat()})
    assert sent.status_code == 200
    assert [each["id"] for each in day.dough()["history"] if each["kind"] == "bake_photo"] == ["ph1"]
    data = day.client.get("/api/photos/ph1").data
    with Image.open(io.BytesIO(data)) as kept:
        assert kept.size == (1200, 1600) and not kept.getexif()
    assert b"Agnes" not in data
    with Image.open(io.BytesIO(day.client.get("/api/photos/ph1?small=1").data)) as small:
        assert max(small.size) == 240
    assert (folder_of(day.sessions) / "photos" / "ph1.jpg").is_file()


@pytest.mark.parametrize("data", [b"", b"no picture", b"\xff\xd8\xff\xe0broken", b"GIF89a" + b"0" * 50])
def test_what_is_no_photo_is_refused_and_nothing_is_kept(day, data):
    day.mixed()
    found = day.client.put(f"/api/bench/{PLAN}/photos/ph1", data=data)
    assert found.status_code == 422 and found.json["errors"][0]["field"] == "photo"
    assert (
        not list((folder_of(day.sessions) / "photos").glob("*"))
        if (folder_of(day.sessions) / "photos").exists()
        else True
    )
    assert not [each for each in day.dough()["history"] if each["kind"] == "bake_photo"]


def samples(day, values, device="thin-probe", quantity="dough_c", every_min=5, until=None):
    end = until or day.now
    body = [
        {"device": device, "quantity": quantity, "value": value,
         "at": (end - (len(values) - 1 - index) * every_min * MIN).isoformat()}
        for index, value in enumerate(values)
    ]  # fmt: skip
    return day.client.post("/api/samples", json={"sent_at": day.now.isoformat(), "samples": body})


def test_a_probe_corrects_the_dough_and_one_left_on_the_table_is_asked_about(day):
    day.mixed().at(14, 20)
    day.press("bake_probe", {"device": "thin-probe"})
    plain = day.step("divide-1")["at"]
    day.at(16, 30)
    assert samples(day, [25 - 0.2 * n for n in range(20)]).status_code == 200
    dough = day.dough()
    assert dough["probe"]["says"]["celsius"] == pytest.approx(21.4, abs=0.5) and dough["probe"]["says"]["doubt"] is None
    assert dough["steps"] and day.step("divide-1")["at"] > plain
    for key, at in (("divide-1", (18, 20)), ("shape-1", (18, 50)), ("chill-1", (18, 52))):
        day.at(*at).done(key)
    day.at(23, 30)
    samples(day, [24.0] * 40)
    says = day.dough()["probe"]["says"]
    assert says["doubt"] == "open" and "24" in says["sentence"] and says["trusted"] == []
    day.at(0, 30, 29)
    assert day.dough()["probe"]["says"]["doubt"] == "lost"


def test_figures_come_once_and_impossible_ones_are_refused(day):
    day.mixed()
    assert samples(day, [24.0, 24.1]).json["taken"] == 2
    samples(day, [24.0, 24.1])
    with day.sessions() as session:
        assert session.execute(text("SELECT COUNT(*) FROM sample")).scalar_one() == 2
    assert samples(day, [900.0]).status_code == 422
    assert samples(day, [24.0], until=day.now + timedelta(hours=2)).status_code == 422


@pytest.mark.parametrize(
    "log",
    [
        "Time;Temp °C\n28.11.2026 10:00;24,5\n28.11.2026 10:10;24,1\n",
        "No,Date,Time,Temperature(F)\n1,11/28/2026,10:00:00 AM,76.1\n2,11/28/2026,10:10:00 AM,75.38\n",
        "2026-11-28T10:00:00+00:00\t24.5\n2026-11-28T10:10:00Z\t24.1\n",
        "1795860000,24.5\n1795860600,24.1\n",
        "logger 7\n\nwhen, celsius\n2026-11-28 10:00:00, 24.5\n2026-11-28 10:10:00, 24.1\n",
    ],
)
def test_a_loggers_file_is_read_however_it_is_written(day, log):
    day.at(12)
    found = day.client.post("/api/samples/log?device=stick", data=log.encode())
    assert found.status_code == 200, found.json
    with day.sessions() as session:
        rows = session.execute(text("SELECT at, value FROM sample ORDER BY at")).all()
    assert [round(value, 1) for _, value in rows] == [24.5, 24.1]
    assert [at[11:16] for at, _ in rows] == ["10:00", "10:10"]


@pytest.mark.parametrize("data", [b"", b"\x00\x01\xff", b"a,b\n1,2\n", b"time,temp\n2026-11-28 10:00,warm\n"])
def test_a_file_that_is_no_log_is_refused(day, data):
    found = day.client.post("/api/samples/log", data=data)
    assert found.status_code == 422 and found.json["errors"][0]["field"] == "file"


@pytest.mark.many
@pytest.mark.parametrize(
    ("kind", "body", "field"),
    [
        ("bake_step", {"key": "dance"}, "key"),
        ("bake_step", {"key": "load-1", "at": 3}, None),
        ("bake_not_yet", {"key": "divide-1", "minutes": 9000}, "minutes"),
        ("bake_note", {"text": "  "}, "text"),
        ("bake_outcome", {"how": "fine"}, "how"),
        ("bake_changed", {"change": {"code": "warm", "at": "2026-11-28T14:00:00+00:00"}}, "change.ambient_c"),
        ("bake_changed", {}, "change"),
        ("reading", {"measure": "celsius", "value": 80}, "reading.value"),
        ("reading", {"measure": "percent"}, "reading.value"),
        ("bake_withdrawn", {"event": "never"}, "id"),
        ("bake_withdrawn", {}, "event"),
        ("absence", {"start": "soon", "end": "later"}, "at"),
    ],
)
def test_a_press_that_cannot_be_is_refused_in_words_and_leaves_nothing(day, kind, body, field):
    day.mixed()
    before = day.dough()["history"]
    found = day.press(kind, body)
    if field is None:
        assert found["taken"]
        return
    assert found["taken"] == [] and found["refused"][0]["field"] == field and found["refused"][0]["sentence"]
    assert day.dough()["history"] == before


def test_out_of_order_is_refused_and_an_unknown_dough_too(day):
    day.mixed()
    refused = day.done("divide-1", at=day.now - timedelta(hours=2))["refused"]
    assert refused[0]["field"] == "at" and "before" in refused[0]["sentence"]
    assert day.done("mix-1", dough="nobody")["refused"][0]["field"] == "id"
    assert day.client.get("/api/bench/nobody/remedies").status_code == 404
    changed = day.client.put(f"/api/plans/{PLAN}", json={"formula_id": "lamplighters-tin"})
    assert changed.status_code == 409 and "bench" in changed.json["detail"]


def test_the_cursor_tells_whether_anything_happened(day):
    day.mixed()
    cursor = day.bench()["cursor"]
    assert day.client.get(f"/api/bench?cursor={cursor}").json["unchanged"]
    day.press("bake_note", {"text": "sticky"})
    assert not day.client.get(f"/api/bench?cursor={cursor}").json["unchanged"]


def test_after_a_restart_the_bench_is_the_same(day):
    day.mixed().at(15, 0).done("fold-1")
    before = day.bench()
    day.client = create_app(day.sessions, lambda: day.now).test_client()
    assert day.bench() == before


def test_a_clock_set_back_loses_nothing_and_says_so(day):
    day.mixed().at(15, 0).done("fold-1")
    day.at(13, 30)
    found = day.bench()
    assert found["clock_back"] and day.step("fold-1")["state"] == "done"
    assert day.done("fold-2")["refused"] == []
    assert not day.at(15, 30).bench()["clock_back"]


def test_a_data_file_held_by_another_loses_no_acknowledged_press(day):
    day.mixed().at(15, 0)
    other = sqlite3.connect(folder_of(day.sessions) / "gentle-crust.sqlite3", isolation_level=None)
    other.execute("BEGIN IMMEDIATE")
    engine = day.sessions.kw["bind"]
    with engine.connect() as connection:
        connection.exec_driver_sql("PRAGMA busy_timeout=50")
        engine.dispose()
    from sqlalchemy import event

    def quick(connection, _):
        connection.execute("PRAGMA busy_timeout=50")

    event.listen(engine, "connect", quick)
    at, fold = day.now.isoformat(), {"key": "fold-1"}
    sent = {"sent_at": at, "presses": [{"id": "held", "dough": PLAN, "kind": "bake_step", "body": fold, "at": at}]}
    found = day.client.post("/api/bench/presses", json=sent)
    assert found.status_code == 503 and "nothing was saved" in found.json["detail"]
    other.execute("ROLLBACK")
    assert day.client.post("/api/bench/presses", json=sent).json["taken"] == ["held"]
    event.remove(engine, "connect", quick)


def test_a_full_disk_says_so_and_keeps_what_was_there(day):
    day.mixed().at(15, 0)
    engine = day.sessions.kw["bind"]
    from sqlalchemy import event

    def small(connection, _):
        pages = connection.execute("PRAGMA page_count").fetchone()[0]
        connection.execute(f"PRAGMA max_page_count={pages}")

    engine.dispose()
    event.listen(engine, "connect", small)
    codes = set()
    for number in range(40):
        sent = {"sent_at": day.now.isoformat(), "presses": [
            {"id": f"n{number}", "dough": PLAN, "kind": "bake_note", "body": {"text": "long " * 390},
             "at": day.now.isoformat()}]}  # fmt: skip
        found = day.client.post("/api/bench/presses", json=sent)
        codes.add(found.status_code)
        if found.status_code == 507:
            assert "disk is full" in found.json["detail"]
            break
    event.remove(engine, "connect", small)
    engine.dispose()
    assert 507 in codes
    notes = [each["id"] for each in day.dough()["history"] if each["kind"] == "bake_note"]
    assert notes == [f"n{index}" for index in range(number)]
    assert day.done("fold-1")["refused"] == []


def test_the_night_in_which_the_clocks_change(sessions):
    day = Day(sessions)
    kitchen = day.client.get("/api/kitchen").json["settings"] | {"zone": "Europe/Lisbon"}
    day.client.put("/api/kitchen", json=kitchen)
    day.now = datetime(2026, 10, 24, 8, 0, tzinfo=UTC)
    asked = {"formula_id": "tidewater-country", "ready": "2026-10-25T07:30", "style": "cold_shaped"}
    day.client.put("/api/plans/dst", json=asked)
    day.press("bake_started", dough="dst")
    dough = day.dough("dst")
    out = next(step for step in dough["steps"] if step["key"] == "out-1")
    assert datetime.fromisoformat(out["at"]) == datetime(2026, 10, 25, 7, 30, tzinfo=UTC)
    assert not [clash for clash in dough["clashes"] if clash["code"] == "asleep"]


@pytest.mark.long
def test_ten_thousand_readings_in_one_bake_still_answer(day):
    day.mixed().at(16, 0)
    start = day.now - 90 * MIN
    for part in range(2):
        body = [
            {"device": "fast", "quantity": "dough_c", "value": 25 - 0.0002 * (part * 5000 + index),
             "at": (start + timedelta(seconds=0.5 * (part * 5000 + index))).isoformat()}
            for index in range(5000)
        ]  # fmt: skip
        sent = {"sent_at": day.now.isoformat(), "samples": body}
        assert day.client.post("/api/samples", json=sent).json["taken"] == 5000
    day.press("bake_probe", {"device": "fast"}, at=start)
    presses = [
        {"id": f"r{index}", "dough": PLAN, "kind": "reading", "body": {"measure": "percent", "value": 5 + index / 100},
         "at": (start + index * timedelta(seconds=10)).isoformat()}
        for index in range(500)
    ]  # fmt: skip
    taken = day.client.post("/api/bench/presses", json={"sent_at": day.now.isoformat(), "presses": presses}).json
    assert len(taken["taken"]) == 500
    dough = day.dough()
    assert dough["events_in_all"] == 505 and dough["probe"]["says"]["celsius"] == pytest.approx(23, abs=0.3)
