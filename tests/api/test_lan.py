"""Reached from the network: through TLS of this kitchen's own authority, by devices that signed in, past strangers."""

import http.client
import json
import socket
import ssl
import urllib.error
import urllib.request
from contextlib import ExitStack, closing
from datetime import UTC, datetime, timedelta
from threading import Thread

import pytest
from cryptography import x509
from live import serving

from gentle_crust import authority as authorities
from gentle_crust import lan
from gentle_crust.api.app import create_app
from gentle_crust.cli import main
from gentle_crust.front import Bounds
from gentle_crust.network import OnNetwork, behind
from tests.conftest import SATURDAY
from tests.network import PASSCODE, on_own_network

OWNER, STRANGER, SLOW, GUESSER = "127.0.0.1", "127.0.0.9", "127.0.0.8", "127.0.0.7"
"""Addresses of this machine that stand for others on the network."""
EVERYWHERE = "0.0.0.0"  # noqa: S104 - of the test's own making


class Network:
    """A kitchen served to the network, on addresses of this machine."""

    def __init__(self, sessions, folder, bounds):
        app = create_app(sessions, lambda: SATURDAY, EVERYWHERE, PASSCODE)
        network = OnNetwork(app, folder, EVERYWHERE, 0, (OWNER,), bounds)
        self.secured, self.port = network.secured, network.port
        Thread(target=network.run, daemon=True).start()
        self.trusting = ssl.create_default_context(cafile=str(self.secured.authority.certificate))

    def raw(self, source):
        """A connection from an address, before any TLS."""
        return socket.create_connection((OWNER, self.port), timeout=20, source_address=(source, 0))

    def secure(self, source):
        """The same, encrypted."""
        return self.trusting.wrap_socket(self.raw(source), server_hostname=OWNER)

    def connection(self, source=OWNER):
        """A connection to ask with, from an address."""
        return http.client.HTTPSConnection(
            OWNER, self.port, timeout=20, context=self.trusting, source_address=(source, 0)
        )

    def ask(self, path, cookie="", source=OWNER, method="GET", body=None, headers=None):
        """Status, headers and body of one request."""
        with closing(self.connection(source)) as connection:
            more = {"Cookie": cookie} if cookie else {}
            more |= {"Content-Type": "application/json"} if body else {}
            connection.request(method, path, body, more | (headers or {}))
            found = connection.getresponse()
            return found.status, found.headers, found.read()

    def sign_in(self, passcode=PASSCODE, source=OWNER):
        """Status of a try to sign in, and the cookie that it gave."""
        body = f'{{"passcode": "{passcode}", "name": "Phone"}}'
        status, headers, _ = self.ask("/api/sign-in", source=source, method="POST", body=body)
        return status, (headers.get("Set-Cookie") or "").split(";")[0]


@pytest.fixture
def network(sessions, tmp_path):
    return Network(sessions, tmp_path, Bounds())


@pytest.fixture
def brief(sessions, tmp_path):
    """One that closes soon what says nothing."""
    return Network(sessions, tmp_path, Bounds(handshake_s=1, request_s=1, each=5))


def ended(connection) -> bool:
    """Whether the other side closes a connection, awaited."""
    try:
        return connection.recv(1) == b""
    except (ConnectionError, ssl.SSLError):
        return True


def test_strangers_that_say_nothing_or_guess_delay_nobody(network):
    _, cookie = network.sign_in()
    with ExitStack() as stack:
        for _ in range(30):
            stack.enter_context(network.raw(STRANGER))
            slow = stack.enter_context(network.secure(SLOW))
            slow.sendall(b"GET /api/bench HTTP/1.1\r\nHost: a")
        for _ in range(8):
            network.sign_in("guess-guess-gues", GUESSER)
        assert network.sign_in("guess-guess-gues", GUESSER)[0] == 429
        for _ in range(20):
            assert network.ask("/api/bench", cookie)[0] == 200
        assert network.sign_in()[0] == 200, "who did not guess is not slowed"


def test_one_address_may_have_so_many_connections_and_others_come_through(brief):
    _, cookie = brief.sign_in()
    with ExitStack() as stack:
        for _ in range(5):
            stack.enter_context(brief.raw(STRANGER))
        assert ended(stack.enter_context(brief.raw(STRANGER)))
        assert brief.ask("/api/kitchen", cookie)[0] == 200


def test_what_says_nothing_is_closed_before_tls_within_it_and_in_the_middle_of_a_request(brief):
    with ExitStack() as stack:
        silent, mute = stack.enter_context(brief.raw(STRANGER)), stack.enter_context(brief.secure(SLOW))
        half = stack.enter_context(brief.secure(GUESSER))
        half.sendall(b"GET / HTTP/1.1\r\nHost: half")
        assert ended(silent) and ended(mute) and ended(half)


def test_plain_http_on_the_secure_port_gets_nothing(brief):
    with brief.raw(STRANGER) as plain:
        plain.sendall(b"GET /api/kitchen HTTP/1.1\r\nHost: x\r\n\r\n")
        answer = b""
        try:
            while piece := plain.recv(1000):
                answer += piece
        except ConnectionError:
            pass
    assert b"200" not in answer


def test_large_bodies_pass_whole_both_ways_on_one_connection(network):
    _, cookie = network.sign_in()
    with closing(network.connection()) as connection:
        for _ in range(3):
            connection.request("GET", "/api/backup", headers={"Cookie": cookie})
            backup = connection.getresponse()
            data = backup.read()
            assert backup.status == 200 and len(data) > 10_000
        headers = {"Cookie": cookie, "Content-Type": "application/octet-stream"}
        connection.request("POST", "/api/backup/restore", data, headers)
        assert connection.getresponse().status == 200


def test_each_device_signs_in_is_listed_and_can_be_shown_out(network):
    assert network.ask("/api/kitchen")[0] == 401
    assert network.ask("/")[0] == 200, "the page itself holds nothing of the baker's, and asks for the passcode"
    assert network.sign_in("wrong-wrong-wron") == (401, "")
    (first, phone), (second, laptop) = network.sign_in("ABCD efgh jkmn"), network.sign_in(source=SLOW)
    assert first == second == 200 and phone != laptop
    client = network.ask("/api/devices", phone)[2]
    assert client.count(b'"name":"Phone"') == 2 and client.count(b'"mine":true') == 1
    mine = next(each for each in json.loads(client)["devices"] if each["mine"])
    assert network.ask(f"/api/devices/{mine['id']}", laptop, method="DELETE")[0] == 200
    assert network.ask("/api/kitchen", phone)[0] == 401 and network.ask("/api/kitchen", laptop)[0] == 200
    assert network.ask("/api/sign-out", laptop, method="POST")[0] == 200
    assert network.ask("/api/kitchen", laptop)[0] == 401


@pytest.mark.parametrize(
    ("passcode", "given", "status"),
    [
        ("!!!!!!!!!", "", 401),
        ("!!!!!!!!!", "?", 401),
        ("!!!!!!!!!", "!!!!!!!!!", 200),
        ("Bread & salt", "breadSALT", 200),
        ("Bread & salt", "bread", 401),
        ("ab-cd-ef-", "abcdef", 401),
    ],
)
def test_a_passcode_without_letters_is_still_one(sessions, passcode, given, status):
    client = create_app(sessions, lambda: SATURDAY, EVERYWHERE, passcode).test_client()
    assert client.post("/api/sign-in", json={"passcode": given}).status_code == status


def test_what_the_door_gives_cannot_be_read_by_scripts_or_sent_elsewhere(network):
    _, headers, _ = network.ask("/api/sign-in", method="POST", body=f'{{"passcode": "{PASSCODE}"}}')
    cookie = headers["Set-Cookie"]
    assert "HttpOnly" in cookie and "Secure" in cookie and "SameSite=Strict" in cookie
    stored = b"".join(path.read_bytes() for path in network.secured.folder.parent.rglob("*.sqlite3*"))
    assert cookie.split("=")[1].split(";")[0].encode() not in stored


def test_a_calendar_subscribes_by_a_secret_address_alone(network):
    _, cookie = network.sign_in()
    path = json.loads(network.ask("/api/calendar-address", cookie)[2])["path"]
    status, headers, body = network.ask(path)
    assert status == 200 and headers["Content-Type"].startswith("text/calendar") and b"BEGIN:VCALENDAR" in body
    assert network.ask("/calendar/guess.ics", source=SLOW)[0] == 404
    assert network.ask("/api/calendar-address", cookie, method="POST")[0] == 200
    assert network.ask(path)[0] == 404, "the address before leads nowhere any more"
    for _ in range(6):
        network.ask("/calendar/guess.ics", source=GUESSER)
    assert network.ask("/calendar/guess.ics", source=GUESSER)[0] == 429


def test_the_authority_is_told_and_given_before_anybody_signs_in(network):
    found = json.loads(network.ask("/api/trust")[2])
    assert found["served"] and found["fingerprint"] == network.secured.authority.fingerprint
    status, headers, der = network.ask("/api/trust/authority.crt")
    assert status == 200 and headers["Content-Type"] == "application/x-x509-ca-cert"
    assert x509.load_der_x509_certificate(der).extensions.get_extension_for_class(x509.BasicConstraints).value.ca


def test_names_of_others_are_refused(network):
    assert network.ask("/api/kitchen", headers={"Host": "elsewhere.example"})[0] == 421
    name = socket.gethostname().split(".")[0].lower()
    assert network.ask("/api/trust", headers={"Host": f"{name}.local:{network.port}"})[0] == 200


def _status(address, certificate=None, path="/api/kitchen"):
    context = ssl.create_default_context(cafile=str(certificate)) if certificate else None
    try:
        with urllib.request.urlopen(address.rstrip("/") + path, timeout=10, context=context) as found:
            return found.status
    except urllib.error.HTTPError as error:
        return error.code


def _inside(folder, own):
    """Run within a network that has an address of its own: the real command, reached by that address."""
    with serving("serve", "--lan", "--host", own, folder=folder) as address:
        data = folder / "data"
        assert address == f"https://{own}:{address.rsplit(':', 1)[1]}"
        assert _status(address, data / authorities.AUTHORITY) == 401
        assert _status(address, data / authorities.AUTHORITY, "/") == 200
        with pytest.raises(urllib.error.URLError):
            _status(address)
    with serving("serve", folder=folder) as address:
        port = int(address.rsplit(":", 1)[1])
        with socket.socket() as probe:
            assert probe.connect_ex((own, port)) != 0
        assert _status(address) == 200
    assert main(["serve", "--host", own, "--port", "0", "--data", str(data)]) == 2


def test_reached_from_an_address_of_its_own(tmp_path):
    on_own_network(f"{__name__}:_inside", tmp_path)


NOW = datetime(2026, 11, 25, tzinfo=UTC)
CALLED = ("localhost", "127.0.0.1", "198.51.100.7", "oven.local")


def test_the_authority_speaks_for_this_kitchen_alone_and_its_keys_are_its_owners(tmp_path):
    made = authorities.authority_for(tmp_path, CALLED, NOW)
    found = x509.load_pem_x509_certificate(made.certificate.read_bytes())
    limits = found.extensions.get_extension_for_class(x509.NameConstraints)
    permitted = {str(each.value) for each in limits.value.permitted_subtrees}
    assert limits.critical and permitted == {"localhost", "127.0.0.1/32", "198.51.100.7/32", "oven.local"}
    assert found.extensions.get_extension_for_class(x509.BasicConstraints).value.path_length == 0
    served_key = authorities.certificate_for(tmp_path, CALLED, NOW).key
    assert [path.stat().st_mode & 0o777 for path in (made.key, served_key)] == [0o600, 0o600]


def test_a_certificate_lasts_a_year_at_most_and_is_made_anew_a_month_before_under_the_same_authority(tmp_path):
    authority = authorities.authority_for(tmp_path, CALLED, NOW)
    made = authorities.certificate_for(tmp_path, CALLED, NOW)
    found = x509.load_pem_x509_certificate(made.certificate.read_bytes())
    assert found.not_valid_after_utc - found.not_valid_before_utc <= timedelta(days=365)
    assert authorities.certificate_for(tmp_path, CALLED, NOW + timedelta(days=330)).fingerprint == made.fingerprint
    later = authorities.certificate_for(tmp_path, CALLED, NOW + timedelta(days=340))
    assert later.new and later.fingerprint != made.fingerprint
    assert authorities.authority_for(tmp_path, CALLED, NOW + timedelta(days=340)).fingerprint == authority.fingerprint


def test_another_address_needs_another_authority_which_says_that_it_is_new(tmp_path):
    first = authorities.authority_for(tmp_path, CALLED, NOW)
    assert first.new and not authorities.authority_for(tmp_path, CALLED, NOW).new
    moved = (*CALLED[:2], "198.51.100.8")
    second = authorities.authority_for(tmp_path, moved, NOW)
    assert second.new and second.fingerprint != first.fingerprint
    found = x509.load_pem_x509_certificate(authorities.certificate_for(tmp_path, moved, NOW).certificate.read_bytes())
    found.verify_directly_issued_by(x509.load_pem_x509_certificate(second.certificate.read_bytes()))


def test_a_certificate_of_an_earlier_program_is_replaced(tmp_path):
    made = authorities.certificate_for(tmp_path, CALLED, NOW)
    other = authorities.certificate_for(tmp_path / "other", CALLED, NOW)
    made.certificate.write_bytes(other.certificate.read_bytes())
    assert authorities.certificate_for(tmp_path, CALLED, NOW).new


def test_the_passcode_is_made_once_and_kept_from_others(tmp_path):
    first = lan.passcode_of(tmp_path)
    assert lan.passcode_of(tmp_path) == first and len(first) == 14
    assert ((tmp_path / lan.PASSCODE).stat().st_mode & 0o777) == 0o600


def test_a_passcode_in_the_clear_is_refused_unless_told(tmp_path, capsys, monkeypatch):
    monkeypatch.setenv("GENTLE_CRUST_PASSCODE", "long-enough-one")
    assert main(["serve", "--host", "192.0.2.1", "--port", "0", "--data", str(tmp_path / "d")]) == 2
    said = capsys.readouterr().err
    assert "in the clear" in said and "--lan" in said and "--in-the-clear" in said
    assert not list((tmp_path / "d").glob("*.sqlite3"))


def test_the_page_shows_where_the_phone_finds_it_only_if_it_does(sessions):
    app = create_app(sessions, lambda: SATURDAY)
    assert app.test_client().get("/api/phone").json == {"address": "", "qr": ""}
    app.extensions["gentle_crust_lan"] = "https://198.51.100.7:8417/"
    assert app.test_client().get("/api/phone").json["qr"].startswith("data:image/svg+xml")
    assert "█" in lan.qr_in_terminal("https://198.51.100.7:8417/") or "▀" in lan.qr_in_terminal("https://198.51.100.7/")


def test_slow_connections_on_this_machine_stop_no_answer(sessions):
    server = behind(create_app(sessions, lambda: SATURDAY))
    Thread(target=server.run, daemon=True).start()
    port = server.effective_port
    with ExitStack() as stack:
        for _ in range(250):
            slow = stack.enter_context(socket.create_connection(("127.0.0.1", port), timeout=20))
            slow.sendall(b"POST /api/plan HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 90\r\n\r\n{")
        for _ in range(10):
            assert _status(f"http://127.0.0.1:{port}") == 200
