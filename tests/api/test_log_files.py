"""The log out and in again, field by field the same, by screen and command line; damaged, doubled, newer, another's."""

import csv
import io
import json
import zipfile
from datetime import timedelta

import pytest

from gentle_crust.cli import main
from gentle_crust.contract.log_file import LogFile
from gentle_crust.kitchen.log_out import log_file
from gentle_crust.kitchen.work import Work
from gentle_crust.store.database import folder_of
from gentle_crust.store.models import BakeRow, EventRow, FormulaRow, PlanRow, TrialRow, VersionRow
from tests.api.conftest import PLAN, day_in, go_on, live_once, until_cut
from tests.api.test_log import COUNTRY, enter, get, picture, trial


def fill_log(day):
    """A log with a bake lived at the bench, two entered, a trial, loaves, notes, a photo and something taken back."""
    day.mixed()
    day.press("reading", {"measure": "percent", "value": 40}, key="read")
    day.press("bake_note", {"text": "=1+1, says the note"}, key="note")
    day.press("bake_withdrawn", {"event": "read"})
    until_cut(day)
    day.client.put(f"/api/bench/{PLAN}/photos/photo-1?part=", data=picture())
    day.press("bake_loaf", {"liked": 4, "form": "domed", "height_mm": 95, "width_mm": 210, "out_g": 760})
    enter(day, "pot", "2026-11-10T10:00", "2026-11-10T18:30", vessel_id="pot")
    enter(day, "stone", "2026-11-17T10:00", "2026-11-17T18:30", vessel_id="stone")
    trial(day)
    day.client.put("/api/trials/t1/conclusion", json={"better": 1, "conclusion": "Crisper."})


@pytest.fixture(scope="module")
def full_once(filled, tmp_path_factory):
    return live_once(filled, tmp_path_factory.mktemp("full") / "data", fill_log)


@pytest.fixture
def full(full_once, folder):
    with go_on(full_once, folder) as day:
        yield day


@pytest.fixture
def other(tmp_path):
    """Another kitchen, new and empty."""
    folder = tmp_path / "other"
    folder.mkdir()
    with day_in(folder) as day:
        yield day


def written_out(day, **of):
    answer = day.client.get("/api/log/file", query_string=of)
    assert answer.status_code == 200
    return answer.data


def bring(day, data):
    return day.client.post("/api/log/file", data=data, content_type="application/octet-stream")


def inside(data):
    with zipfile.ZipFile(io.BytesIO(data)) as packed:
        return {name: packed.read(name) for name in packed.namelist()}


def rows_of(sessions, table):
    with sessions() as session:
        names = [column.name for column in table.__table__.columns]
        return sorted([{name: getattr(row, name) for name in names} for row in session.query(table)], key=str)


def test_the_whole_log_goes_into_another_kitchen_field_by_field(full, other):
    data = written_out(full)
    answer = bring(other, data).json
    assert answer["left"] == [] and (answer["bakes"], answer["trials"], answer["photos"]) == (3, 1, 1)
    keys = {row["id"] for row in rows_of(full.sessions, BakeRow)}
    other.now = full.now
    for table in (BakeRow, TrialRow):
        assert rows_of(other.sessions, table) == rows_of(full.sessions, table), table
    plans = [[row for row in rows_of(day.sessions, PlanRow) if row["id"] in keys] for day in (full, other)]
    assert plans[0] == plans[1]
    told = [[row for row in rows_of(day.sessions, EventRow) if row["subject"] in keys] for day in (full, other)]
    assert told[0] == told[1] and len(told[0]) > 40
    for table in (FormulaRow, VersionRow):
        there = rows_of(full.sessions, table)
        assert all(row in there for row in rows_of(other.sessions, table)), table
    for key in keys:
        assert get(other, f"/api/bakes/{key}") == get(full, f"/api/bakes/{key}")
    assert other.client.get("/api/photos/photo-1").data == full.client.get("/api/photos/photo-1").data
    again = written_out(other)
    one, two = (json.loads(inside(each)["log.json"]) for each in (data, again))
    assert {**one, "made_at": "", "kitchen": ""} == {**two, "made_at": "", "kitchen": ""}
    assert inside(data)["photos/photo-1.jpg"] == inside(again)["photos/photo-1.jpg"]


def test_brought_in_twice_nothing_is_doubled_and_what_was_pressed_since_stays(full):
    data = written_out(full)
    full.press("bake_note", {"text": "written since"}, dough="pot")
    before = [rows_of(full.sessions, table) for table in (BakeRow, EventRow, PlanRow, TrialRow)]
    answer = bring(full, data).json
    assert (answer["bakes"], answer["events"], answer["known"], answer["photos"], answer["left"]) == (0, 0, 3, 0, [])
    assert [rows_of(full.sessions, table) for table in (BakeRow, EventRow, PlanRow, TrialRow)] == before


def test_its_json_alone_is_brought_in_without_photos_and_says_so(full, other):
    answer = bring(other, inside(written_out(full))["log.json"]).json
    assert answer["bakes"] == 3 and answer["photos"] == 0
    assert len(answer["left"]) == 1 and "photo-1" in answer["left"][0]


def test_one_bake_and_one_formula_are_written_out_alone(full, other):
    one = json.loads(inside(written_out(full, bake="pot"))["log.json"])
    assert [each["id"] for each in one["bakes"]] == ["pot"] and len(one["trials"]) == 1
    assert bring(other, written_out(full, bake="pot")).json["bakes"] == 1
    assert len(json.loads(inside(written_out(full, formula=COUNTRY))["log.json"])["bakes"]) == 3


def test_it_says_by_its_schema_what_it_holds_and_its_tables_are_for_people(full):
    found = inside(written_out(full))
    assert json.loads(found["log.schema.json"])["title"] == "LogFile"
    LogFile.model_validate_json(found["log.json"])
    rows = {row["bake"]: row for row in csv.DictReader(io.StringIO(found["bakes.csv"].decode()))}
    assert rows[PLAN]["liked"] == "4" and float(rows[PLAN]["volume_ml"]) > 1000 and rows["pot"]["afterwards"] == "True"
    assert rows[PLAN]["notes"].startswith("'="), "no spreadsheet reckons with a note"
    readings = list(csv.DictReader(io.StringIO(found["readings.csv"].decode())))
    assert [(row["bake"], row["kind"]) for row in readings] == [(PLAN, "rise_eye")]


# -- what cannot be brought in -----------------------------------------------------------------------------------


def changed(data, change):
    """The log's JSON, with something about it changed."""
    body = json.loads(inside(data)["log.json"])
    change(body)
    return json.dumps(body).encode()


@pytest.mark.parametrize(
    ("data", "says"),
    [
        (b"", "no log"), (b"not json", "no log"), (b"[]", "no log"), (b'{"format": "recipe"}', "no log"),
        (b"PK\x03\x04 torn", "no log"), (b"[" * 100_000, "no log"),
        (b'{"format": "gentle-crust-log", "version": 2}', "newer"),
        (b'{"format": "gentle-crust-log", "version": 1, "bakes": 3}', "damaged"),
    ],
)  # fmt: skip
def test_what_is_no_log_is_refused_in_a_sentence_and_nothing_changes(full, data, says):
    before = rows_of(full.sessions, BakeRow)
    answer = bring(full, data)
    assert answer.status_code in (400, 422) and says in answer.json["errors"][0]["sentence"], answer.json
    assert answer.json["errors"][0]["remedy"] and rows_of(full.sessions, BakeRow) == before


def test_a_damaged_bake_is_left_out_by_name_and_all_others_come(full, other):
    def spoil(body):
        body["bakes"][0]["shown"] = {"steps": "none"}

    answer = bring(other, changed(written_out(full), spoil)).json
    assert answer["bakes"] == 2 and any("Tidewater" in each or "Country" in each for each in answer["left"])


def test_a_damaged_press_is_left_out_and_its_bake_comes(full, other):
    def spoil(body):
        body["bakes"][1]["events"][2]["body"] = {"key": "no such key"}

    answer = bring(other, changed(written_out(full), spoil)).json
    assert answer["bakes"] == 3 and any("Entry" in each for each in answer["left"])


def test_another_bake_under_a_known_key_does_not_replace_what_is_here(full):
    def other_bake(body):
        body["bakes"][0]["asked"]["pieces"] = 9

    before = rows_of(full.sessions, PlanRow)
    answer = bring(full, changed(written_out(full), other_bake)).json
    assert any("another bake" in each for each in answer["left"]) and rows_of(full.sessions, PlanRow) == before


def test_a_bake_whose_formula_is_nowhere_comes_with_its_own(full, other):
    def drop(body):
        body["formulas"] = []

    assert bring(other, changed(written_out(full), drop)).json["bakes"] == 3
    history = get(other, f"/api/formulas/{COUNTRY}/history")["history"]
    assert history["put_away"] and history["bakes"] == 3
    assert COUNTRY not in [each["id"] for each in get(other, "/api/formulas")["formulas"]]


def test_a_packed_file_cannot_write_elsewhere(full, other, tmp_path):
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as packed:
        packed.writestr("log.json", inside(written_out(full))["log.json"])
        packed.writestr("../../escaped.txt", b"no")
        packed.writestr("photos/../../escaped.jpg", b"no")
    assert bring(other, out.getvalue()).status_code == 200
    assert not list(tmp_path.rglob("escaped*")) and not list(folder_of(other.sessions).glob(".log-*"))


def test_a_photo_that_is_none_is_left_out(full, other):
    found = inside(written_out(full))
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as packed:
        packed.writestr("log.json", found["log.json"])
        packed.writestr("photos/photo-1.jpg", b"<script>")
    answer = bring(other, out.getvalue()).json
    assert answer["photos"] == 0 and len(answer["left"]) == 1
    assert other.client.get("/api/photos/photo-1").status_code == 404


# -- from the command line ---------------------------------------------------------------------------------------


def test_the_command_writes_out_and_brings_in_without_loss(full, other, tmp_path, capsys):
    full.sessions.kw["bind"].dispose()
    there = folder_of(full.sessions)
    assert main(["log", "--export", str(tmp_path / "out"), "--data", str(there)]) == 0
    counts = json.loads(capsys.readouterr().out)
    assert (counts["bakes"], counts["trials"], counts["photos"]) == (3, 1, 1)
    target = folder_of(other.sessions)
    assert main(["log", "--import", str(tmp_path / "out"), "--data", str(target)]) == 0
    assert json.loads(capsys.readouterr().out)["bakes"] == 3
    one = log_file(Work(full.sessions, lambda: full.now))
    two = log_file(Work(other.sessions, lambda: full.now))
    assert one.model_dump(exclude={"made_at", "kitchen"}) == two.model_dump(exclude={"made_at", "kitchen"})


def test_the_command_leaves_a_folder_with_other_things_alone_and_says_what_is_no_log(tmp_path, capsys):
    (tmp_path / "mine.txt").write_text("mine")
    assert main(["log", "--export", str(tmp_path), "--data", str(tmp_path / "data")]) == 2
    assert "not empty" in capsys.readouterr().err
    assert main(["log", "--import", str(tmp_path), "--data", str(tmp_path / "data")]) == 2
    assert "no log" in capsys.readouterr().err
    assert main(["log", "--schema"]) == 0 and json.loads(capsys.readouterr().out)["title"] == "LogFile"
    assert main(["log", "--codes"]) == 0 and "gummy" in json.loads(capsys.readouterr().out)["faults"]


def test_what_was_taken_out_of_the_log_is_not_written_out(full):
    full.press("bake_removed", dough="pot")
    assert len(json.loads(inside(written_out(full))["log.json"])["bakes"]) == 2
    full.now += timedelta(days=1)
    assert len(log_file(Work(full.sessions, lambda: full.now)).bakes) == 2
