"""The demo's past: six weeks that end yesterday on any day, each bake whole, a formula that grew better, trials."""

from datetime import UTC, date, datetime, timedelta
from statistics import mean
from zoneinfo import ZoneInfo

import pytest

from gentle_crust import demo
from gentle_crust.api.app import create_app
from gentle_crust.demo.past import ENDS, moved, remember
from gentle_crust.kitchen.bakes import BakesBook
from gentle_crust.kitchen.history import history_of
from gentle_crust.kitchen.over_time import over_time
from gentle_crust.kitchen.photos import PhotoShelf
from gentle_crust.kitchen.trials import TrialBook
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Sought
from gentle_crust.store.database import open_store

LISBON = ZoneInfo("Europe/Lisbon")
MALTED = "quayside-malted"
NOW = datetime(2027, 7, 14, 9, 0, tzinfo=UTC)


@pytest.fixture(scope="module")
def past(tmp_path_factory):
    """The demo in a summer, its past remembered."""
    folder = tmp_path_factory.mktemp("past")
    sessions = open_store(folder)
    demo.fill(sessions, lambda: NOW)
    remember(sessions, lambda: NOW, folder)
    yield Work(sessions, lambda: NOW), folder
    sessions.kw["bind"].dispose()


def lines(work):
    return BakesBook(work).page().lines


# -- moved to the day --------------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("text", "days", "expected"),
    [
        ('"2026-11-20T08:00:00Z"', 1, '"2026-11-21T08:00:00Z"'),
        ('"2026-11-20T08:00:00+00:00"', 8, '"2026-11-28T08:00:00+00:00"'),
        ('"2026-11-20T08:00"', 8, '"2026-11-28T08:00"'),
        ('"2026-11-20T08:00:00.250000Z"', 1, '"2026-11-21T08:00:00.250000Z"'),
        # Eight in the morning by the kitchen's clock stays eight in the morning, summer time or not.
        ('"2026-11-20T08:00:00Z"', 200, '"2027-06-08T07:00:00Z"'),
        ('"2026-11-20T23:30:00Z"', 200, '"2027-06-08T22:30:00Z"'),
        ('"2026-11-20"', 1, '"2026-11-20"'), ('"no instant"', 1, '"no instant"'),
    ],
)  # fmt: skip
def test_an_instant_is_moved_by_days_at_the_same_hour_of_the_kitchens_clock(text, days, expected):
    assert moved(text, days, LISBON) == expected


def test_moved_there_and_back_a_log_is_the_same():
    text = '{"at": "2026-11-20T08:00:00Z", "ready": "2026-11-21T07:30", "name": "10:30 to 11:00"}'
    assert moved(moved(text, 90, LISBON), -90, LISBON) == text


# -- what is in it -----------------------------------------------------------------------------------------------


def test_the_weeks_end_yesterday_and_reach_six_weeks_back(past):
    work, _ = past
    outs = sorted(line.out for line in lines(work))
    assert timedelta(0) < NOW - outs[-1] < timedelta(days=2)
    assert timedelta(days=38) < outs[-1] - outs[0] < timedelta(days=44)
    assert len(outs) >= 20
    assert all(6 <= out.astimezone(LISBON).hour <= 18 for out in outs), "nobody bakes at night"


def test_every_bake_is_drawn_read_and_can_be_opened(past):
    work, _ = past
    for line in lines(work):
        record = BakesBook(work).one(line.id)
        assert line.drawn is not None and line.state == "baked" and not record.unreadable
        assert record.steps and all(step.at <= NOW for step in record.steps)
        assert record.line.afterwards or any(reading.kind.startswith("rise") for reading in record.readings)


def test_loaves_have_measures_that_loaves_have(past):
    work, _ = past
    measured = [
        loaf.measured for line in lines(work) for loaf in BakesBook(work).one(line.id).loaves if loaf.sheet.day == 0
    ]
    whole = [each for each in measured if each.g_per_ml is not None]
    assert len(whole) >= 15
    assert all(0.2 < each.g_per_ml < 0.6 for each in whole)
    assert all(each.loss is None or 0.07 < each.loss < 0.2 for each in measured)


def test_every_photo_that_a_record_names_is_there(past):
    work, folder = past
    shelf = PhotoShelf(folder)
    photos = [photo for line in lines(work) for photo in BakesBook(work).one(line.id).photos]
    assert len(photos) >= 30
    for photo in photos:
        assert shelf.get(photo.id)[:2] == b"\xff\xd8" and shelf.get(photo.id, small=True)


def test_a_formula_grew_better_over_five_versions(past):
    work, _ = past
    history = history_of(work, MALTED)
    liked = [version.liked for version in history.versions if version.liked is not None]
    assert [version.number for version in history.versions] == [5, 4, 3, 2, 1]
    assert all(version.bakes for version in history.versions)
    assert mean(liked[:2]) > mean(liked[-2:]) + 1
    assert history.best.version == 5


def test_trials_are_concluded_one_waits_and_one_question_was_asked_twice(past):
    work, _ = past
    trials = TrialBook(work).all()
    assert [each.trial.judged for each in trials].count(True) == 2 and len(trials) == 3
    assert max(each.pooled.pairs for each in trials) == 2
    waiting = next(each for each in trials if not each.trial.judged)
    assert waiting.ready and waiting.trial.hidden and not any(side.says for side in waiting.trial.sides)


def test_forecasts_were_not_always_right(past):
    work, _ = past
    points, right = over_time(work, Sought())
    assert right.read >= 30 and right.inside >= right.read / 2 and right.late_min != 0
    assert right.verdicts >= 10 and right.as_judged < right.verdicts, "some came out otherwise than judged"
    assert len({point.liked for point in points if point.liked}) >= 3


def test_the_log_reads_well_over_the_air(past):
    work, _ = past
    client = create_app(work.sessions, lambda: NOW).test_client()
    keys = ",".join(line["id"] for line in client.get("/api/bakes").json["bakes"][:6])
    for path in (
        "/api/bakes/figures",
        "/api/trials",
        f"/api/formulas/{MALTED}/history",
        f"/api/bakes/compare?of={keys}",
    ):
        answer = client.get(path)
        assert answer.status_code == 200 and "{ $" not in answer.text and "kitchen-" not in answer.text, path


# -- once --------------------------------------------------------------------------------------------------------


def test_it_is_brought_in_once_and_what_was_thrown_away_stays_away(tmp_path):
    sessions = open_store(tmp_path)
    now = datetime.combine(ENDS, datetime.min.time(), UTC) + timedelta(days=1, hours=9)
    demo.fill(sessions, lambda: now)
    remember(sessions, lambda: now, tmp_path)
    work = Work(sessions, lambda: now)
    many = len(lines(work))
    remember(sessions, lambda: now + timedelta(days=3), tmp_path)
    assert len(lines(work)) == many
    with work.write() as session:
        for table in ("event", "bake"):
            session.connection().exec_driver_sql(f"DELETE FROM {table} WHERE 1")
    remember(sessions, lambda: now, tmp_path)
    assert lines(work) == ()
    sessions.kw["bind"].dispose()


def test_the_weeks_are_of_the_day_that_they_say():
    assert date(2026, 11, 28) == ENDS
