"""Played instruments: their protocol over HTTP, their faults, and the program that listens to them."""

import json
import time
import urllib.request
from datetime import UTC, datetime, timedelta
from threading import Thread

import pytest
from live import serving
from sqlalchemy import text
from waitress import create_server

from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.probe import Sample, listen
from gentle_crust.devices.listener import Listener, figures_in
from gentle_crust.devices.server import MOST_LISTENERS, create_devices
from gentle_crust.devices.server import Instruments as Played
from gentle_crust.devices.simulation import SimKitchen, Truth
from gentle_crust.text.render import say
from tests.conftest import SATURDAY

HOUR = timedelta(hours=1)


def mixed(**truth) -> SimKitchen:
    kitchen = SimKitchen(Truth(**truth))
    kitchen.do("mix", SATURDAY)
    return kitchen


def shown(kitchen, at, quantity):
    return next(value for _, name, value in kitchen.figures(at) if name == quantity)


def test_the_played_dough_rises_cools_and_is_baked():
    kitchen = mixed()
    early, late = (kitchen.dough_at(SATURDAY + hours * HOUR) for hours in (1, 6))
    assert early[1] < 0.15 < 0.35 < late[1] and abs(late[0] - 21.6) < 1.5
    kitchen.do("divide", SATURDAY + 6 * HOUR)
    kitchen.do("chill", SATURDAY + 6.5 * HOUR)
    assert kitchen.dough_at(SATURDAY + 16 * HOUR)[0] < 7
    kitchen.do("preheat", SATURDAY + 17 * HOUR)
    kitchen.do("load", SATURDAY + 18 * HOUR)
    assert shown(kitchen, SATURDAY + 18 * HOUR, "oven_c") > 230
    assert kitchen.dough_at(SATURDAY + 18.75 * HOUR)[0] > 90
    kitchen.do("out", SATURDAY + 19 * HOUR)
    assert kitchen.dough_at(SATURDAY + 19 * HOUR) is None


def test_a_livelier_truth_rises_faster_and_faults_show():
    slow, fast = (mixed(activity=activity).dough_at(SATURDAY + 5 * HOUR)[1] for activity in (0.8, 1.2))
    assert fast > 1.3 * slow
    kitchen = mixed()
    kitchen.break_(on_table=True, noise_k=0.0)
    assert shown(kitchen, SATURDAY + HOUR, "dough_c") == pytest.approx(24.0)
    kitchen.break_(lost=True)
    assert "dough_c" not in {name for _, name, _ in kitchen.figures(SATURDAY + HOUR)}
    with pytest.raises(CraftError):
        kitchen.do("dance", SATURDAY)
    with pytest.raises(CraftError):
        SimKitchen().do("divide", SATURDAY)


class Clock:
    def __init__(self):
        self.now = SATURDAY

    def __call__(self):
        return self.now


@pytest.fixture
def played():
    clock = Clock()
    instruments = Played(SimKitchen(), clock)
    server = create_server(create_devices(instruments), host="127.0.0.1", port=0, threads=4)
    Thread(target=server.run, daemon=True).start()
    # Left to its daemon thread: a socket closed here would give its number to the next data file.
    yield clock, instruments, f"http://127.0.0.1:{server.effective_port}"


def get(address):
    with urllib.request.urlopen(address, timeout=30) as found:
        return json.load(found)


def post(address, body):
    asked = urllib.request.Request(address, json.dumps(body).encode(), {"Content-Type": "application/json"})
    with urllib.request.urlopen(asked, timeout=30) as found:
        return json.load(found)


def test_the_protocol_as_it_is_documented(played):
    clock, instruments, address = played
    post(f"{address}/dough", {"do": "mix"})
    for _ in range(3):
        clock.now += timedelta(minutes=1)
        instruments.read()
    devices = {each["device"] for each in get(f"{address}/devices")["devices"]}
    assert devices == {"kitchen-air", "fridge", "oven-probe", "dough-probe", "scale", "sample-jar"}
    all_ = get(f"{address}/figures")["figures"]
    some = get(f"{address}/figures?since={all_[5]['id']}")["figures"]
    assert [each["id"] for each in some] == [each["id"] for each in all_[6:]]
    assert set(all_[0]) == {"id", "device", "quantity", "at", "value"}
    for bad in ({"do": "dance"}, {}):
        with pytest.raises(urllib.error.HTTPError) as error:
            post(f"{address}/dough", bad)
        assert error.value.code == 422
    with pytest.raises(urllib.error.HTTPError):
        post(f"{address}/faults", {"gremlins": 1})


def wait_for(check, seconds=10):
    until = time.monotonic() + seconds
    while time.monotonic() < until:
        if found := check():
            return found
        time.sleep(0.05)
    raise AssertionError("it did not come")


def test_the_program_listens_survives_a_lost_line_and_puts_a_wrong_clock_right(played, sessions):
    clock, instruments, address = played
    kitchen_clock = Clock()
    post(f"{address}/dough", {"do": "mix"})
    post(f"{address}/faults", {"skew_s": 5400.0})
    listener = Listener(address, sessions, kitchen_clock)
    listener.start()

    def rows():
        with sessions() as session:
            return session.execute(text("SELECT at, value FROM sample WHERE quantity = 'dough_c' ORDER BY at")).all()

    wait_for(rows)
    for count in range(2, 7):
        clock.now += timedelta(minutes=1)
        kitchen_clock.now = clock.now
        instruments.read()
        wait_for(lambda count=count: len(rows()) >= count)
    found = rows()
    last = datetime.fromisoformat(found[-1][0]).replace(tzinfo=UTC)
    assert abs(last - clock.now) < timedelta(minutes=2)
    listener.stopped.set()
    instruments.read()
    again = Listener(address, sessions, kitchen_clock)
    again.last = "0"
    again.start()
    clock.now += timedelta(minutes=1)
    kitchen_clock.now = clock.now
    instruments.read()
    wait_for(lambda: len(rows()) >= 7)
    again.stopped.set()
    assert len({at for at, _ in rows()}) == len(rows())


def test_what_is_no_figure_is_passed_over(sessions):
    lines = [
        b"id: 4\n",
        b"data: not json\n",
        b"\n",
        b": hush\n",
        b"data: [1]\n",
        b"\n",
        b"id: 6\n",
        b'data: {"a": 1}\n',
        b"\n",
    ]
    assert list(figures_in(iter(lines))) == [("6", {"a": 1})]
    Listener("http://127.0.0.1:9", sessions, lambda: SATURDAY).keep({"device": "x"})
    with sessions() as session:
        assert session.execute(text("SELECT COUNT(*) FROM sample")).scalar_one() == 0


def test_both_processes_together_at_six_hundred_times():
    with (
        serving("devices", rate=600) as devices,
        serving("serve", "--devices", devices, rate=600) as address,
    ):
        post(f"{devices}/dough", {"do": "mix"})
        wait_for(lambda: "dough-probe" in get(f"{address}/api/bench")["heard"], 20)


def samples(*pairs):
    return tuple(Sample(at, c) for at, c in pairs)


def test_a_probe_is_heard_questioned_and_never_believed_on_the_table():
    cooling = samples(*((n / 12, 24 - n / 3) for n in range(24)))
    says = listen(cooling, 16.5, 18.5, 2.0)
    assert says.doubt is None and says.celsius == pytest.approx(17, abs=1) and says.trusted
    table = samples(*((n / 12, 24.0) for n in range(24)))
    says = listen(table, 8.0, 9.0, 2.0)
    assert says.doubt == "open" and says.trusted == () and "somewhere warmer?" in str(say(says.sentence))
    says = listen(table, 24.3, 24.3, 2.0)
    assert says.doubt is None
    assert listen(table, 24.3, 24.3, 3.0).doubt == "lost"
    jumped = samples(*((n / 12, 24.0 if n < 20 else 60.0) for n in range(24)))
    assert listen(jumped, 24.0, 24.0, 2.0).doubt == "jump"
    spike = samples(*((n / 12, 80.0 if n == 21 else 24.0) for n in range(24)))
    assert listen(spike, 24.0, 24.0, 2.0).doubt is None
    assert listen((), 24.0, 24.0, 2.0).celsius is None


def test_the_instruments_answer_their_own_pages_only_and_listeners_leave_room():
    kitchen = Played(SimKitchen(), lambda: SATURDAY)
    client = create_devices(kitchen).test_client()
    assert client.get("/devices", headers={"Host": "elsewhere.example"}).status_code == 421
    elsewhere = {"Origin": "https://elsewhere.example"}
    assert client.post("/dough", json={"do": "mix"}, headers=elsewhere).status_code == 403
    assert client.post("/dough", json={"do": "mix"}).status_code == 200
    listening = [client.get("/stream", buffered=False) for _ in range(MOST_LISTENERS)]
    refused = client.get("/stream")
    assert refused.status_code == 503 and "listen already" in refused.json["detail"]
    listening[0].close()
    again = client.get("/stream", buffered=False)
    assert again.status_code == 200
    for each in (*listening[1:], again):
        each.close()
